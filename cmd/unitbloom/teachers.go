package main

import (
	"fmt"
	"time"

	"github.com/spf13/cobra"

	"unitbloom/internal/store"
)

// linkCommand is for whoever looks after the server: a teacher who has lost her passphrase, or a
// school whose last teacher who could invite is gone.
func linkCommand() *cobra.Command {
	var name, address string
	var lead bool
	cmd := &cobra.Command{
		Use: "link", Short: "Make a link, used once: for a new account, or for the passphrase of a teacher with --for",
		Args: arguments(cobra.NoArgs),
	}
	data := dataFlag(cmd)
	cmd.Flags().StringVar(&name, "for", "", "the teacher who sets her passphrase with it")
	cmd.Flags().BoolVar(&lead, "lead", false, "the new account may invite teachers")
	cmd.Flags().StringVar(&address, "address", "http://127.0.0.1:8080", "the server's address, as browsers reach it")
	cmd.RunE = func(cmd *cobra.Command, _ []string) error {
		if lead && name != "" {
			return fmt.Errorf("%w: --lead is for a new account: leave out --for", errUsage)
		}
		token, err := store.MakeLinkAt(*data, name, lead)
		if err != nil {
			return err
		}
		fmt.Fprintf(cmd.OutOrStdout(), "Works once, within a week: %s/welcome#%s\n", address, token)
		return nil
	}
	return cmd
}

// deedsCommand tells what was done, from the log that is kept apart from the database.
func deedsCommand() *cobra.Command {
	var most int
	cmd := &cobra.Command{
		Use: "deeds", Short: "Tell who changed, shared, set, looked at and deleted what, the newest first",
		Args: arguments(cobra.NoArgs),
	}
	data := dataFlag(cmd)
	cmd.Flags().IntVar(&most, "most", 100, "how many; 0 tells all")
	cmd.RunE = func(cmd *cobra.Command, _ []string) error {
		deeds, err := store.Deeds(*data, most)
		if err != nil {
			return err
		}
		for _, d := range deeds {
			who := "no teacher"
			if d.Teacher != "" {
				who = "teacher " + d.Teacher
			}
			what := ""
			if d.Of != "" {
				what = " " + d.Of + " " + d.ID
			}
			fmt.Fprintf(cmd.OutOrStdout(), "%s  %s %s%s\n", d.At.Format(time.RFC3339), who, d.Did, what)
		}
		return nil
	}
	return cmd
}
