package main

import (
	"context"
	"crypto/tls"
	"errors"
	"fmt"
	"io"
	"log/slog"
	"net"
	"os"
	"os/signal"
	"path/filepath"
	"strconv"
	"syscall"

	"github.com/spf13/cobra"

	"unitbloom/core/lesson"
	"unitbloom/demo"
	"unitbloom/internal/server"
	"unitbloom/internal/store"
	"unitbloom/web"
)

// serving are the flags of serve and demo.
type serving struct {
	data, host, cert, key string
	port                  int
	names, proxies        []string
}

func (s *serving) flags(cmd *cobra.Command, port int) {
	cmd.Flags().StringVar(&s.data, "data", s.data, "the database file")
	cmd.Flags().IntVar(&s.port, "port", port, "the port; 0 picks a free one")
	cmd.Flags().StringVar(&s.host, "host", "127.0.0.1", "the address to listen on; 0.0.0.0 lets the school's network in")
	cmd.Flags().StringArrayVar(&s.names, "name", nil, "a host name that the server answers to")
	cmd.Flags().StringArrayVar(&s.proxies, "proxy", nil, "the address of a proxy that stands before the server")
	cmd.Flags().StringVar(&s.cert, "cert", "", "the file of a certificate, for TLS; read again when it is renewed")
	cmd.Flags().StringVar(&s.key, "key", "", "the file of the certificate's key")
}

func serveCommand() *cobra.Command {
	s := serving{data: "unitbloom.db"}
	cmd := &cobra.Command{
		Use: "serve", Short: "Start the application", Args: arguments(cobra.NoArgs),
		RunE: func(cmd *cobra.Command, _ []string) error { return s.run(cmd, nil) },
	}
	s.flags(cmd, 8080)
	return cmd
}

func demoCommand() *cobra.Command {
	s := serving{data: filepath.Join("data", "demo.db")}
	cmd := &cobra.Command{
		Use: "demo", Short: "Start the application with the demo lessons", Args: arguments(cobra.NoArgs),
		RunE: func(cmd *cobra.Command, _ []string) error { return s.run(cmd, addDemo) },
	}
	s.flags(cmd, 8080)
	return cmd
}

// addDemo imports the demo lessons into an empty shelf with a class, all of them or none; what a
// visitor changed in one that is there already stays.
func addDemo(db *store.Store) error {
	lines, err := db.List(false)
	if err != nil || len(lines) > 0 {
		return err
	}
	files, err := demo.Lessons.ReadDir(".")
	if err != nil {
		return err
	}
	var lessons []lesson.Lesson
	// The shelf shows the last first.
	for i := len(files) - 1; i >= 0; i-- {
		raw, err := demo.Lessons.ReadFile(files[i].Name())
		if err != nil {
			return err
		}
		l, err := lesson.Import(raw)
		if err != nil {
			return fmt.Errorf("demo/%s: %w", files[i].Name(), err)
		}
		l.ID = server.NewID()
		lessons = append(lessons, l)
	}
	// The lessons come last: a shelf with nothing on it is one that is made anew.
	if err := demoClass(db, lessons); err != nil {
		return err
	}
	_, err = db.CreateAll("", lessons)
	return err
}

// tellCode tells the code of each class that lets children in.
func tellCode(out io.Writer, db *store.Store, address string) error {
	classes, err := db.Classes("")
	for _, class := range classes {
		if class.Open {
			fmt.Fprintf(out, "%s come in at %s/desk with the code %s\n", class.Name, address, class.Code)
		}
	}
	return err
}

func (s *serving) run(cmd *cobra.Command, prepare func(*store.Store) error) error {
	if err := os.MkdirAll(filepath.Dir(s.data), 0o700); err != nil {
		return err
	}
	log := slog.New(slog.NewJSONHandler(os.Stderr, &slog.HandlerOptions{Level: logLevel()}))
	db, err := store.Open(s.data, log)
	if err != nil {
		return err
	}
	defer db.Close()
	if prepare != nil {
		if err := prepare(db); err != nil {
			return err
		}
	}
	config := server.Config{Host: s.host, Names: s.names, Proxies: s.proxies, Version: version, Log: log}
	if files, ok := web.Files(); ok {
		config.Files = files
	}
	srv, err := server.New(db, config)
	if err != nil {
		return fmt.Errorf("%w: %w", errUsage, err)
	}
	l, address, err := s.listen()
	if err != nil {
		return err
	}
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	defer stop()
	out := cmd.OutOrStdout()
	fmt.Fprintf(out, "Unit Bloom is at %s\n", address)
	if err := s.tellAccess(out, srv, address); err != nil {
		return err
	}
	if prepare != nil {
		if err := tellCode(out, db, address); err != nil {
			return err
		}
	}
	if config.Files == nil {
		fmt.Fprintln(out, "It was built without its front end: run make build first.")
	}
	return srv.Serve(ctx, l)
}

// listen opens the port, with TLS where there is a certificate.
func (s *serving) listen() (l net.Listener, address string, err error) {
	if (s.cert == "") != (s.key == "") {
		return nil, "", fmt.Errorf("%w: a certificate and its key go together: give --cert and --key", errUsage)
	}
	if l, err = net.Listen("tcp", net.JoinHostPort(s.host, strconv.Itoa(s.port))); err != nil {
		return nil, "", fmt.Errorf("cannot listen: %w. Choose another with --port", err)
	}
	if s.cert == "" {
		return l, "http://" + l.Addr().String(), nil
	}
	renewed, err := certificate(s.cert, s.key)
	if err != nil {
		return nil, "", errors.Join(err, l.Close())
	}
	return tls.NewListener(l, &tls.Config{GetCertificate: renewed, MinVersion: tls.VersionTLS12,
		NextProtos: []string{"h2", "http/1.1"}}), "https://" + l.Addr().String(), nil
}

// tellAccess says who can come, by what, and how the first account is made.
func (s *serving) tellAccess(out io.Writer, srv *server.Server, address string) error {
	if srv.Open() && s.cert == "" && len(s.proxies) == 0 {
		fmt.Fprintln(out, "Without TLS, passphrases and what children do can be read by whoever can read the network. "+
			"Give --cert and --key, or name the proxy that does it with --proxy.")
	}
	path, err := srv.FirstLink()
	if path != "" {
		fmt.Fprintf(out, "Make the first account, once, within a week: %s%s\n", address, path)
	}
	return err
}

// logLevel is what the log on standard error holds: errors and panics, unless
// UNITBLOOM_LOG asks for more, so that the address stays in sight.
func logLevel() slog.Level {
	var level slog.Level
	if err := level.UnmarshalText([]byte(os.Getenv("UNITBLOOM_LOG"))); err != nil {
		return slog.LevelError
	}
	return level
}
