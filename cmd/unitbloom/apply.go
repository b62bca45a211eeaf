package main

import (
	"encoding/json"
	"errors"
	"fmt"
	"strings"

	"github.com/spf13/cobra"

	"unitbloom/core/board"
	_ "unitbloom/core/model" // the models that boards are made of
	"unitbloom/core/say"
	"unitbloom/docs"
)

// applied is what apply prints. Made is how many of the moves were made.
type applied struct {
	Board    string        `json:"board"`
	JSON     board.Board   `json:"json"`
	Made     int           `json:"made"`
	ReadOuts []modelSays   `json:"readouts"`
	Refusal  *refusalPlain `json:"refusal,omitempty"`
}

// modelSays is what one model says of its number.
type modelSays struct {
	Model    string            `json:"model"`
	Total    string            `json:"total"`
	UnitForm string            `json:"unitForm"`
	Says     map[string]string `json:"says"`
}

type refusalPlain struct {
	Code string `json:"code"`
	Text string `json:"text"`
}

func applyCommand() *cobra.Command {
	var text string
	var moves []string
	var asJSON bool
	cmd := &cobra.Command{
		Use: "apply --board NOTATION --move JSON…", Short: "Make moves on a board",
		Long: "Make moves on a board written in notation, one after another, and print the board that they lead to. A " +
			"move that is refused changes nothing; those after it are not made.",
		Example: `  unitbloom apply --board 'rack 2: 6 8' --move '{"kind":"build","amount":"14"}' --json`,
		Args:    arguments(cobra.NoArgs),
		RunE: func(cmd *cobra.Command, _ []string) error {
			if text == "" {
				return fmt.Errorf(`%w: say which board. Use: unitbloom apply --board 'rack 2: 6 8' --move '{"kind":"home"}'`,
					errUsage)
			}
			out, err := applyMoves(text, moves)
			if err != nil {
				return err
			}
			return out.print(cmd, asJSON)
		},
	}
	cmd.Flags().StringVar(&text, "board", "", "the board in notation, models parted by bars")
	cmd.Flags().StringArrayVar(&moves, "move", nil, "a move as JSON; may be given several times")
	cmd.Flags().BoolVar(&asJSON, "json", false, "print JSON")
	return cmd
}

func applyMoves(text string, moves []string) (applied, error) {
	b, err := board.Parse(text)
	if err != nil {
		return applied{}, err
	}
	out := applied{}
	for i, raw := range moves {
		var mv board.Move
		if err := json.Unmarshal([]byte(raw), &mv); err != nil {
			return applied{}, fmt.Errorf("--move %d: %w", i+1, err)
		}
		next, _, err := board.Apply(b, mv)
		if err != nil {
			var refusal *say.Refusal
			if !errors.As(err, &refusal) {
				return applied{}, err
			}
			out.Refusal = &refusalPlain{refusal.Code, refusal.Error()}
			break
		}
		b, out.Made = next, i+1
	}
	out.Board, out.JSON = board.Print(b), b
	for i, m := range b.Models {
		says := modelSays{m.Kind(), board.Total(m).String(), m.InPlay().String(), map[string]string{}}
		if b.IsCovered(i) {
			says.Total, says.UnitForm = board.Hidden, board.Hidden
		}
		for _, r := range b.ReadOuts(i, say.Vocabulary{}) {
			says.Says[r.ID] = r.Text
		}
		out.ReadOuts = append(out.ReadOuts, says)
	}
	return out, nil
}

// print tells the outcome. A refusal is part of it, and exit status 1.
func (a applied) print(cmd *cobra.Command, asJSON bool) error {
	if asJSON {
		if err := encode(cmd.OutOrStdout(), a); err != nil {
			return err
		}
	} else {
		fmt.Fprintln(cmd.OutOrStdout(), a.Board)
	}
	if a.Refusal == nil {
		return nil
	}
	if asJSON {
		return errSilent
	}
	return errors.New(a.Refusal.Text)
}

// moveLine is one move of the registry as moves prints it.
type moveLine struct {
	Model   string      `json:"model"`
	Kind    string      `json:"kind"`
	Doc     string      `json:"doc"`
	Laws    []string    `json:"laws"`
	Params  []param     `json:"params"`
	Example exampleLine `json:"example"`
}

// param is a parameter with what is published of it.
type param struct {
	board.Param
	Doc string `json:"doc"`
}

// exampleLine is a board, and the moves to make on it: those before, and then
// the one that is shown.
type exampleLine struct {
	Board  string       `json:"board"`
	Before []board.Move `json:"before"`
	Move   board.Move   `json:"move"`
}

func movesCommand() *cobra.Command {
	var asJSON bool
	cmd := &cobra.Command{
		Use: "moves", Short: "List the moves of every model", Args: arguments(cobra.NoArgs),
		RunE: func(cmd *cobra.Command, _ []string) error {
			lines, err := moveLines()
			if err != nil {
				return err
			}
			if asJSON {
				return encode(cmd.OutOrStdout(), lines)
			}
			for _, l := range lines {
				fmt.Fprintf(cmd.OutOrStdout(), "%-9s %-13s %-14s %s\n", l.Model, l.Kind, strings.Join(l.Laws, ", "), l.Doc)
			}
			return nil
		},
	}
	cmd.Flags().BoolVar(&asJSON, "json", false, "print JSON")
	return cmd
}

// published is what the schema says of each parameter of each move, by the move's name there.
func published() (map[string]described, error) {
	var schema struct {
		Defs map[string]struct {
			Properties described
		} `json:"$defs"`
	}
	if err := json.Unmarshal(docs.LessonSchema, &schema); err != nil {
		return nil, err
	}
	all := map[string]described{}
	for name, def := range schema.Defs {
		all[strings.ToLower(name)] = def.Properties
	}
	return all, nil
}

type described map[string]struct{ Description string }

func moveLines() ([]moveLine, error) {
	all, err := published()
	if err != nil {
		return nil, err
	}
	var lines []moveLine
	add := func(model, owner string, specs []board.MoveSpec) {
		for _, mv := range specs {
			l := moveLine{Model: model, Kind: mv.Kind, Doc: mv.Doc, Params: []param{}}
			told := all[strings.ToLower("move"+owner+mv.Kind)]
			for _, p := range mv.Params() {
				l.Params = append(l.Params, param{p, told[p.Name].Description})
			}
			for _, law := range mv.Laws {
				l.Laws = append(l.Laws, string(law))
			}
			l.Example = exampleLine{mv.Board, mv.Before, board.Move{Kind: mv.Kind, Args: mv.Example}}
			if l.Example.Before == nil {
				l.Example.Before = []board.Move{}
			}
			lines = append(lines, l)
		}
	}
	for _, spec := range board.Specs() {
		add(spec.Kind, "of"+spec.Kind, spec.Moves)
	}
	add("board", "onBoard", board.BoardMoves())
	return lines, nil
}
