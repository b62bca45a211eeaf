package main

import (
	"context"
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
	cmd.Flags().StringVar(&s.passphrase, "passphrase", "", "what other machines must give; UNITBLOOM_PASSPHRASE does as well")
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

// addDemo imports the demo lessons into an empty shelf; what a visitor changed
// in one that is there already stays.
func addDemo(db *store.Store) error {
	lines, err := db.List(false)
	if err != nil || len(lines) > 0 {
		return err
	}
	files, err := demo.Lessons.ReadDir(".")
	if err != nil {
		return err
	}
	// The shelf shows the last first.
	for i := len(files) - 1; i >= 0; i-- {
		raw, err := demo.Lessons.ReadFile(files[i].Name())
		if err != nil {
			return err
		}
		if _, err := server.Import(db, raw); err != nil {
			return fmt.Errorf("demo/%s: %w", files[i].Name(), err)
		}
	}
	return nil
}

func (s *serving) run(cmd *cobra.Command, prepare func(*store.Store) error) error {
	if err := os.MkdirAll(filepath.Dir(s.data), 0o755); err != nil {
		return err
	}
	db, err := store.Open(s.data)
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
		Log: slog.New(slog.NewJSONHandler(logFile(), &slog.HandlerOptions{Level: logLevel()})),
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
	if config.Files == nil {
		fmt.Fprintln(cmd.OutOrStdout(), "It was built without its front end: run make build first.")
	}
	return srv.Serve(ctx, l)
}

// logFile is where the log goes: nowhere unless it is asked for, so that the
// address stays in sight.
func logFile() io.Writer {
	if os.Getenv("UNITBLOOM_LOG") == "" {
		return io.Discard
	}
	return os.Stderr
}

func logLevel() slog.Level {
	var level slog.Level
	if err := level.UnmarshalText([]byte(os.Getenv("UNITBLOOM_LOG"))); err != nil {
		return slog.LevelInfo
	}
	return level
}

func backupCommand() *cobra.Command {
	var data string
	cmd := &cobra.Command{
		Use: "backup FILE", Short: "Copy the database, whole and consistent, while the server runs or not", Args: arguments(cobra.ExactArgs(1)),
		RunE: func(cmd *cobra.Command, args []string) error {
			if _, err := os.Stat(data); errors.Is(err, os.ErrNotExist) {
				return fmt.Errorf("there is no database at %q. Name it with --data", data)
			}
			db, err := store.Open(data)
			if err != nil {
				return err
			}
			defer db.Close()
			if err := db.Backup(args[0]); err != nil {
				return err
			}
			fmt.Fprintf(cmd.OutOrStdout(), "Copied to %s\n", args[0])
			return nil
		},
	}
	cmd.Flags().StringVar(&data, "data", "unitbloom.db", "the database file")
	return cmd
}
