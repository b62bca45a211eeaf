package main

import (
	"context"
	"fmt"
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
	data, host, passphrase string
	port                   int
	names                  []string
}

func (s *serving) flags(cmd *cobra.Command, port int) {
	cmd.Flags().StringVar(&s.data, "data", s.data, "the database file")
	cmd.Flags().IntVar(&s.port, "port", port, "the port; 0 picks a free one")
	cmd.Flags().StringVar(&s.host, "host", "127.0.0.1", "the address to listen on; 0.0.0.0 lets the school's network in")
	cmd.Flags().StringVar(&s.passphrase, "passphrase", "",
		"what other machines must give; UNITBLOOM_PASSPHRASE does as well")
	cmd.Flags().StringArrayVar(&s.names, "name", nil, "a host name that the server answers to")
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
	_, err = db.CreateAll(lessons)
	return err
}

// tellCode tells the code of each class that lets children in.
func tellCode(cmd *cobra.Command, db *store.Store, address string) error {
	classes, err := db.Classes()
	for _, class := range classes {
		if class.Open {
			fmt.Fprintf(cmd.OutOrStdout(), "%s come in at http://%s/desk with the code %s\n", class.Name, address, class.Code)
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
	config := server.Config{
		Host: s.host, Passphrase: s.passphrase, Names: s.names, Version: version,
		Log: log,
	}
	if config.Passphrase == "" {
		config.Passphrase = os.Getenv("UNITBLOOM_PASSPHRASE")
	}
	if files, ok := web.Files(); ok {
		config.Files = files
	}
	srv, err := server.New(db, config)
	if err != nil {
		return fmt.Errorf("%w: %w", errUsage, err)
	}
	l, err := net.Listen("tcp", net.JoinHostPort(s.host, strconv.Itoa(s.port)))
	if err != nil {
		return fmt.Errorf("cannot listen: %w. Choose another with --port", err)
	}
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	defer stop()
	fmt.Fprintf(cmd.OutOrStdout(), "Unit Bloom is at http://%s\n", l.Addr())
	if prepare != nil {
		if err := tellCode(cmd, db, l.Addr().String()); err != nil {
			return err
		}
	}
	if config.Files == nil {
		fmt.Fprintln(cmd.OutOrStdout(), "It was built without its front end: run make build first.")
	}
	return srv.Serve(ctx, l)
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
