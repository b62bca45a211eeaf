package main

import (
	"fmt"
	"strings"

	"github.com/spf13/cobra"

	"unitbloom/core/door"
	"unitbloom/core/method"
)

func methodsCommand() *cobra.Command {
	var asJSON bool
	cmd := &cobra.Command{
		Use: "methods", Short: "List the methods of worked examples", Args: arguments(cobra.NoArgs),
		RunE: func(cmd *cobra.Command, _ []string) error {
			if asJSON {
				return encode(cmd.OutOrStdout(), door.Methods())
			}
			for _, m := range door.Methods() {
				fmt.Fprintf(cmd.OutOrStdout(), "%-16s %-24s %s\n", m.ID, m.Typed, m.Limits)
			}
			return nil
		},
	}
	cmd.Flags().BoolVar(&asJSON, "json", false, "print JSON")
	return cmd
}

// another is a problem like one that was given.
type another struct {
	Method  string   `json:"method"`
	Args    []string `json:"args"`
	Problem string   `json:"problem"`
	Answer  string   `json:"answer"`
}

func parallelCommand() *cobra.Command {
	var seed uint64
	var set int
	var asJSON bool
	cmd := &cobra.Command{
		Use: "parallel METHOD ARGUMENTS…", Short: "Give another problem like this one",
		Long: "Give a problem of the same method with as many digits, zeros where they were and the same regroupings, " +
			"but other numbers. The same seed gives the same problem.",
		Example: "  unitbloom parallel column-add 146 87 --seed 3\n  unitbloom parallel column-add 34 25 --set 10",
		// Signs before digits are arguments, so the flags are told apart first.
		DisableFlagParsing: true,
	}
	cmd.Flags().BoolP("help", "h", false, "help for parallel")
	cmd.Flags().Uint64Var(&seed, "seed", 1, "the same seed gives the same problem")
	cmd.Flags().IntVar(&set, "set", 0, "so many problems, each one step harder; 2 to 20")
	cmd.Flags().BoolVar(&asJSON, "json", false, "print JSON")
	cmd.RunE = withSigned(func(cmd *cobra.Command, args []string) error {
		if len(args) < 2 {
			return fmt.Errorf("%w: say which method and problem. Use: unitbloom parallel column-add 146 87 --seed 3", errUsage)
		}
		r, err := method.Worded(args[0], args[1:])
		if err != nil {
			return err
		}
		if cmd.Flags().Changed("set") {
			return printLadder(cmd, r, set, seed, asJSON)
		}
		next, err := method.Parallel(r, seed)
		if err != nil {
			return err
		}
		e, err := method.Make(next)
		if err != nil {
			return err
		}
		out := another{next.Method, next.Args, e.Scene.Made.Problem, e.Scene.Made.Answer}
		if asJSON {
			return encode(cmd.OutOrStdout(), out)
		}
		fmt.Fprintln(cmd.OutOrStdout(), strings.Join(append([]string{out.Method}, out.Args...), " "))
		return nil
	})
	return cmd
}

// printLadder prints a set of problems, a line each, with what is harder.
func printLadder(cmd *cobra.Command, r method.Request, n int, seed uint64, asJSON bool) error {
	if n < 2 || n > 20 {
		return fmt.Errorf("%w: --set %d is not from 2 to 20", errUsage, n)
	}
	rungs, err := method.Ladder(r, n, seed)
	if err != nil {
		return err
	}
	out := []rung{}
	for _, one := range rungs {
		e, err := method.Make(one.Request)
		if err != nil {
			return err
		}
		out = append(out, rung{another{one.Method, one.Args, e.Scene.Made.Problem, e.Scene.Made.Answer},
			one.Harder.Text(e.Words)})
	}
	if asJSON {
		return encode(cmd.OutOrStdout(), out)
	}
	for _, one := range out {
		fmt.Fprintln(cmd.OutOrStdout(), strings.TrimSpace(strings.Join(append([]string{one.Method}, one.Args...),
			" ")+"\t"+one.Harder))
	}
	return nil
}

// rung is a problem of a set, with what is harder than in the one before.
type rung struct {
	another
	Harder string `json:"harder"`
}
