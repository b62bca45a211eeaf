// Command unitbloom is the application: the server with the front end in it,
// and the core on the command line.
package main

import (
	"errors"
	"fmt"
	"os"
	"strings"

	"github.com/spf13/cobra"

	"unitbloom/core/say"
)

// version is set by the build.
var version = "dev"

// errUsage marks mistakes in the call itself: exit status 2.
var errUsage = errors.New("usage")

// errSilent is a failure that was already told: exit status 1.
var errSilent = errors.New("")

func main() {
	os.Exit(run(os.Args[1:]))
}

func run(args []string) int {
	root := &cobra.Command{
		Use: "unitbloom", Short: "Virtual manipulatives and worked examples for primary mathematics",
		SilenceErrors: true, SilenceUsage: true,
	}
	root.SetFlagErrorFunc(func(_ *cobra.Command, err error) error { return fmt.Errorf("%w: %w", errUsage, err) })
	root.CompletionOptions.DisableDefaultCmd = true
	root.DisableSuggestions = true
	root.AddCommand(serveCommand(), demoCommand(), backupCommand(), restoreCommand(), checkCommand(), linkCommand(),
		deedsCommand(), exampleCommand(),
		readCommand(), applyCommand(), movesCommand(), methodsCommand(), parallelCommand(), tasksCommand(), taskCommand(),
		markCommand(), lessonCommand(), versionCommand(), licencesCommand())
	root.SetArgs(args)
	cmd, err := root.ExecuteC()
	switch {
	case err == nil:
		return 0
	case errors.Is(err, errSilent):
		return 1
	}
	fmt.Fprintln(os.Stderr, plain(err))
	if errors.Is(err, errUsage) || cmd == root {
		return 2
	}
	return 1
}

// plain is the error in one line of sentences, without the mark of a usage error.
func plain(err error) string {
	if errors.Is(err, errUsage) {
		return begun(err.Error()[len(errUsage.Error())+2:]) // it ends with a line to copy
	}
	var lines []string
	for line := range strings.SplitSeq(err.Error(), "\n") {
		lines = append(lines, say.Ended(begun(line)))
	}
	return strings.Join(lines, " ")
}

// begun is a text that begins as a sentence does. A path keeps its letters.
func begun(text string) string {
	if first, _, _ := strings.Cut(text, " "); strings.ContainsAny(first, "./:[") {
		return text
	}
	return say.Capital(text)
}

// arguments checks the number of arguments as a usage error.
func arguments(check cobra.PositionalArgs) cobra.PositionalArgs {
	return func(cmd *cobra.Command, args []string) error {
		if check(cmd, args) != nil {
			return fmt.Errorf("%w: these are not its arguments. Use: %s", errUsage, cmd.UseLine())
		}
		return nil
	}
}

func versionCommand() *cobra.Command {
	return &cobra.Command{
		Use: "version", Short: "Print the version", Args: arguments(cobra.NoArgs),
		Run: func(cmd *cobra.Command, _ []string) { fmt.Fprintln(cmd.OutOrStdout(), version) },
	}
}
