// Package manual writes the pages of docs/ that come from the registries, so
// that they say what the code does.
package manual

import (
	"encoding/json"
	"fmt"
	"strings"

	"unitbloom/core/board"
	_ "unitbloom/core/model" // the models to write about
	"unitbloom/core/say"
)

// Pages are the pages by their names in docs/.
func Pages() map[string]string {
	return map[string]string{"models.md": Models(), "methods.md": Methods(), "door.md": Door(), "tasks.md": Tasks()}
}

// Models is the page about every model: its notation, moves, laws and
// read-outs.
func Models() string {
	var w strings.Builder
	w.WriteString("# Models\n\nWritten from the registry by `make generate`. A move is made on the command line with " +
		"`unitbloom apply --board NOTATION --move JSON`.\n")
	for _, spec := range board.Specs() {
		fmt.Fprintf(&w, "\n## %s\n\n%s\n\n", spec.Title, spec.Doc)
		examples := make([]string, len(spec.Examples))
		for i, e := range spec.Examples {
			examples[i] = "`" + e + "`"
		}
		fmt.Fprintf(&w, "Notation: %s.\n\n", strings.Join(examples, ", "))
		writeReadOuts(&w, spec)
		writeMoves(&w, spec.Moves)
	}
	w.WriteString("\n## The board\n\nMoves that every board has, whatever its models.\n\n")
	writeMoves(&w, board.BoardMoves())
	return w.String()
}

func writeReadOuts(w *strings.Builder, spec board.ModelSpec) {
	example := spec.Examples[len(spec.Examples)-1]
	b, err := board.Parse(example)
	if err != nil {
		panic(err)
	}
	fmt.Fprintf(w, "What it says, of `%s`:\n\n| read-out | says |\n| --- | --- |\n", example)
	for _, r := range b.ReadOuts(0, say.Vocabulary{}) {
		fmt.Fprintf(w, "| %s | %s |\n", r.Label, cell(r.Text))
	}
	w.WriteString("\n")
}

func writeMoves(w *strings.Builder, moves []board.MoveSpec) {
	w.WriteString("| move | what it does | total | example |\n| --- | --- | --- | --- |\n")
	for _, mv := range moves {
		laws := make([]string, len(mv.Laws))
		for i, l := range mv.Laws {
			laws[i] = string(l)
		}
		fmt.Fprintf(w, "| `%s` | %s | %s | %s |\n", mv.Kind, cell(mv.Doc), strings.Join(laws, ", "), cell(exampleOf(mv)))
	}
}

// exampleOf is the board and the move, after those before it.
func exampleOf(mv board.MoveSpec) string {
	text := "`" + mv.Board + "`"
	for _, one := range append(append([]board.Move{}, mv.Before...), board.Move{Kind: mv.Kind, Args: mv.Example}) {
		body, err := json.Marshal(one)
		if err != nil {
			panic(err)
		}
		text += " `" + string(body) + "`"
	}
	return text
}

func cell(s string) string { return strings.ReplaceAll(s, "|", "\\|") }
