package main

import (
	"fmt"
	"io"
	"os"
	"strings"

	"github.com/spf13/cobra"

	"unitbloom/core/method"
)

// lessonCommand makes a lesson file of a list of problems.
func lessonCommand() *cobra.Command {
	var title string
	var set, called []string
	cmd := &cobra.Command{
		Use: "lesson FILE", Short: "Make a lesson file of a list of problems",
		Long: "Write a lesson with a scene for each line of a file: a problem as it is typed, like 58 + 67, or a " +
			"method and its arguments, like share,97,4. - reads standard input.",
		Example: "  unitbloom lesson problems.csv --title \"Adding in columns\" > lesson.json",
		Args:    arguments(cobra.ExactArgs(1)),
		RunE: func(cmd *cobra.Command, args []string) error {
			flags := exampleFlags{set: set, words: called}
			options, err := pairs("--set", flags.set)
			if err != nil {
				return err
			}
			words, err := vocabulary(flags.words)
			if err != nil {
				return err
			}
			var list []byte
			if args[0] == "-" {
				list, err = io.ReadAll(cmd.InOrStdin())
			} else {
				list, err = os.ReadFile(args[0])
			}
			if err != nil {
				return fmt.Errorf("the file %q cannot be read: %w", args[0], err)
			}
			l, faults := method.FromList(title, string(list), words, options)
			if len(faults) > 0 {
				var lines []string
				for _, f := range faults {
					lines = append(lines, f.Error())
				}
				return fmt.Errorf("%s", strings.Join(lines, "\n"))
			}
			if len(l.Scenes) == 0 {
				return fmt.Errorf("the file %q has no problem. Write one a line, like 58 + 67", args[0])
			}
			return encode(cmd.OutOrStdout(), l)
		},
	}
	cmd.Flags().StringVar(&title, "title", "Problems", "what the shelf shows")
	cmd.Flags().StringArrayVar(&called, "words", nil, "what the class calls things, as key=value: numbers=4 002,5")
	cmd.Flags().StringArrayVar(&set, "set", nil, "an option of every method that has it, as key=value")
	return cmd
}
