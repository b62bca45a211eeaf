package board

import (
	"fmt"
	"strings"
)

// Print is the board's contents in notation, models parted by bars:
// "blocks 1h 4t 6o | rack 2: 6 8". Ids, positions and covers are left out.
func Print(b Board) string {
	parts := make([]string, len(b.Models))
	for i, m := range b.Models {
		spec, _ := SpecOf(m.Kind())
		parts[i] = m.Kind() + " " + spec.Print(m)
	}
	return strings.Join(parts, " | ")
}

// PrintShown is Print with the models that are covered, wholly or in part, held
// back: "blocks ?".
func PrintShown(b Board) string {
	parts := strings.Split(Print(b), " | ")
	for i, m := range b.Models {
		if b.IsCovered(i) {
			parts[i] = m.Kind() + " " + Hidden
		}
	}
	return strings.Join(parts, " | ")
}

// Parse reads the notation that Print writes. Errors quote the part at fault.
func Parse(s string) (Board, error) {
	var b Board
	for _, part := range strings.Split(s, "|") {
		kind, rest, _ := strings.Cut(strings.TrimSpace(part), " ")
		spec, ok := SpecOf(kind)
		if !ok {
			return Board{}, fmt.Errorf("%q: there is no model called %q. Models are %s", s, kind, kindsList())
		}
		m, err := spec.Parse(strings.TrimSpace(rest), &b.ids)
		if err != nil {
			return Board{}, fmt.Errorf("%q: %w", strings.TrimSpace(part), err)
		}
		b.Models = append(b.Models, m)
		b.Tiles = append(b.Tiles, Tile{})
	}
	if len(b.Models) > MaxModels {
		return Board{}, fmt.Errorf("%q has %d models. A board holds one to four", s, len(b.Models))
	}
	return b, b.validate()
}

// Canonical keeps what the notation keeps, so that Parse(Print(b)) equals
// Canonical(b) but for ids.
func Canonical(b Board) Board {
	out := Board{Tiles: make([]Tile, len(b.Models))}
	for _, m := range b.Models {
		spec, _ := SpecOf(m.Kind())
		out.Models = append(out.Models, spec.Canonical(m))
	}
	return out
}
