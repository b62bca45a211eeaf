package main

import (
	"fmt"
	"io"
	"strings"

	"github.com/spf13/cobra"

	"unitbloom/internal/store"
)

// dataFlag is the database that a command is about.
func dataFlag(cmd *cobra.Command) *string {
	return cmd.Flags().String("data", "unitbloom.db", "the database file")
}

func backupCommand() *cobra.Command {
	cmd := &cobra.Command{
		Use: "backup FILE", Short: "Copy the database, whole and checked, while the server runs or not",
		Args: arguments(cobra.ExactArgs(1)),
	}
	data := dataFlag(cmd)
	cmd.RunE = func(cmd *cobra.Command, args []string) error {
		b, err := store.Backup(*data, args[0])
		if err != nil {
			return err
		}
		fmt.Fprintf(cmd.OutOrStdout(), "Copied to %s: %s, checked, %s.\n", b.Path, lessons(b.Lessons), size(b.Bytes))
		return nil
	}
	return cmd
}

func restoreCommand() *cobra.Command {
	cmd := &cobra.Command{
		Use: "restore FILE", Short: "Put a backup in the database's place, while no server runs; the old one is kept aside",
		Args: arguments(cobra.ExactArgs(1)),
	}
	data := dataFlag(cmd)
	cmd.RunE = func(cmd *cobra.Command, args []string) error {
		b, aside, err := store.PutBack(args[0], *data)
		if err != nil {
			return err
		}
		fmt.Fprintf(cmd.OutOrStdout(), "%s is now the backup %s: %s, checked, %s.\n", *data, args[0], lessons(b.Lessons),
			size(b.Bytes))
		if aside != "" {
			fmt.Fprintf(cmd.OutOrStdout(), "What was there before is kept as %s.\n", aside)
		}
		return nil
	}
	return cmd
}

func checkCommand() *cobra.Command {
	cmd := &cobra.Command{
		Use: "check", Short: "Tell the state of the database; nothing is changed", Args: arguments(cobra.NoArgs),
	}
	data := dataFlag(cmd)
	cmd.RunE = func(cmd *cobra.Command, _ []string) error {
		st, err := store.Check(*data)
		if err != nil {
			return err
		}
		tell(cmd.OutOrStdout(), *data, st)
		if len(st.Unreadable) > 0 {
			return fmt.Errorf("%s cannot be read", lessons(int64(len(st.Unreadable))))
		}
		return nil
	}
	return cmd
}

func tell(out io.Writer, path string, st store.State) {
	fmt.Fprintf(out, "%s: sound, %s.\n", path, size(st.Bytes))
	fmt.Fprintf(out, "%s, and %d that can be brought back. %s since the lessons were last written whole, or kept "+
		"to be known again.\n",
		lessons(st.Lessons), st.Deleted, counted(st.Operations, "save"))
	fmt.Fprintf(out, "Form: %s.\n", strings.Join(st.Migrations, ", "))
	if st.InUse {
		fmt.Fprintln(out, "A server has it open.")
	}
	for _, line := range st.Unreadable {
		fmt.Fprintf(out, "Does not open: lesson %s.\n", line)
	}
}

func lessons(n int64) string { return counted(n, "lesson") }

// counted is so many of a thing.
func counted(n int64, thing string) string {
	if n != 1 {
		thing += "s"
	}
	return fmt.Sprintf("%d %s", n, thing)
}

func size(bytes int64) string {
	if bytes < 1<<20 {
		return fmt.Sprintf("%d kB", (bytes+1023)>>10)
	}
	return fmt.Sprintf("%.1f MB", float64(bytes)/(1<<20))
}
