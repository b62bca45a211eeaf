// Package tally is a model for tests alone: strokes that are counted one by one. It
// is registered beside the real ones to show that a model is known by its spec and
// by nothing else.
package tally

import (
	"encoding/json"
	"fmt"
	"slices"
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Most is how many strokes there can be.
const Most = 99

// Tally is the model.
type Tally struct {
	Strokes []board.PieceID
	broken  bool
}

// Kind is "tally".
func (Tally) Kind() string { return "tally" }

// Pieces is how many strokes there are.
func (m Tally) Pieces() int { return len(m.Strokes) }

// InPlay is the strokes.
func (m Tally) InPlay() place.UnitForm {
	return place.FromCounts(func(p place.Place) int {
		if p == place.Ones {
			return len(m.Strokes)
		}
		return 0
	})
}

// Shape is the file form.
type Shape struct {
	Kind    string `json:"kind" jsonschema:"required,enum=tally"`
	Strokes int    `json:"strokes" jsonschema:"required,minimum=0,maximum=99"`
}

// MarshalJSON writes the count.
func (m Tally) MarshalJSON() ([]byte, error) { return json.Marshal(Shape{"tally", len(m.Strokes)}) }

// MarkArgs are a number of strokes.
type MarkArgs struct {
	// How many.
	Count int `json:"count" jsonschema:"required,minimum=1,maximum=99"`
}

func (m Tally) mark(a MarkArgs, t *board.Tx) (Tally, error) {
	if a.Count < 1 || a.Count > Most-len(m.Strokes) {
		return m, board.BadCount(a.Count, 1, Most)
	}
	t.Say("did.placed", say.Pieces("pieces", say.Given, a.Count, place.Ones))
	return m.to(len(m.Strokes)+a.Count, t)
}

// ScoreArgs are the number of all strokes.
type ScoreArgs struct {
	// How many there are then.
	Amount string `json:"amount" jsonschema:"required,maxLength=80"`
}

func (m Tally) score(a ScoreArgs, t *board.Tx) (Tally, error) {
	n, err := strconv.Atoi(a.Amount)
	if err != nil || n < 0 {
		return m, board.BadCount(n, 0, Most)
	}
	t.Say("did.placed", say.Pieces("pieces", say.Given, n, place.Ones))
	return m.to(n, t)
}

func (m Tally) rub(_ board.NoArgs, t *board.Tx) (Tally, error) {
	t.Say("did.cleared")
	return Tally{}, nil
}

// to is the tally with so many strokes.
func (m Tally) to(n int, t *board.Tx) (Tally, error) {
	if n > Most {
		return m, board.BadCount(n, 0, Most)
	}
	if err := t.CheckRoom(n - len(m.Strokes)); err != nil {
		return m, err
	}
	list := slices.Clone(m.Strokes[:min(n, len(m.Strokes))])
	for len(list) < n {
		list = append(list, t.NewID())
	}
	m.Strokes = list
	return m, nil
}

func layout(bm board.Model, _ board.Room) board.Layout {
	m := bm.(Tally)
	if m.broken {
		panic("the tally is broken")
	}
	l := board.Layout{W: 20 + 12*len(m.Strokes), H: 60}
	for i, id := range m.Strokes {
		l.Pieces = append(l.Pieces, board.Sprite{ID: id, Drawing: "bead", X: int32(10 + 12*i), Y: 10, W: 4, H: 40,
			Zone: "strokes"})
	}
	l.Zones = []board.Zone{{ID: "strokes", Label: "strokes", Count: len(m.Strokes), W: l.W, H: l.H}}
	return l
}

func made(n int, ids *board.IDs) Tally {
	var m Tally
	for range n {
		m.Strokes = append(m.Strokes, ids.Next())
	}
	return m
}

// Spec is the registry's line for the tally.
func Spec() board.ModelSpec {
	return board.ModelSpec{
		Kind: "tally", Title: "Tally", Noun: "tally", Doc: "Strokes, for tests.", Empties: "rub",
		New:   func(*board.IDs) board.Model { return Tally{} },
		Most:  Most,
		Empty: func(int) string { return "tally 0" },
		Lay: func(count int, p place.Place, _ int) []board.Move {
			return []board.Move{{Kind: "mark", Args: MarkArgs{Count: place.Count{Place: p, Count: count}.Ones()}}}
		},
		Acts: board.Acts{
			Build: func(amount string) board.Move { return board.Move{Kind: "score", Args: ScoreArgs{amount}} },
		},
		Decode: func(raw json.RawMessage, ids *board.IDs) (board.Model, error) {
			var s Shape
			if err := board.ReadForm(raw, &s); err != nil {
				return nil, err
			}
			return made(s.Strokes, ids), nil
		},
		Shape: Shape{}, Layout: layout,
		Follow: func(m board.Model, form place.UnitForm, t *board.Tx) (board.Model, error) {
			total, err := form.Total()
			if err != nil {
				return m, err
			}
			n, whole := total.Whole()
			if !whole {
				return m, say.Refuse("rack-whole", say.Number("n", say.Given, total))
			}
			return m.(Tally).to(n, t)
		},
		Counting: func(m board.Model) []board.Counted {
			var out []board.Counted
			for i, id := range m.(Tally).Strokes {
				out = append(out, board.Counted{ID: id, Upto: place.Int(i + 1)})
			}
			return out
		},
		Find: func(board.Model, board.Select) []board.PieceID { return nil },
		Parse: func(s string, ids *board.IDs) (board.Model, error) {
			n, err := strconv.Atoi(s)
			if err != nil || n < 0 || n > Most {
				return nil, fmt.Errorf("%q is not a tally of 0 to %d", s, Most)
			}
			return made(n, ids), nil
		},
		Print:     func(m board.Model) string { return strconv.Itoa(m.Pieces()) },
		Canonical: func(m board.Model) board.Model { return Tally{Strokes: m.(Tally).Strokes} },
		Examples:  []string{"tally 0", "tally 7"},
		Moves: []board.MoveSpec{
			board.Rule[Tally, MarkArgs]{
				Kind: "mark", Doc: "More strokes.", Laws: []board.LawKind{board.Adds},
				Law: func(_ Tally, a MarkArgs) (board.Law, error) {
					return board.Law{Kind: board.Adds, Value: place.Int(max(0, a.Count))}, nil
				},
				Apply: Tally.mark, Board: "tally 4", Example: MarkArgs{3},
			}.Spec(),
			board.Rule[Tally, ScoreArgs]{
				Kind: "score", Doc: "So many strokes.", Laws: []board.LawKind{board.Sets},
				Law: func(_ Tally, a ScoreArgs) (board.Law, error) {
					n, err := strconv.Atoi(a.Amount)
					return board.Law{Kind: board.Sets, Value: place.Int(max(0, n))}, err
				},
				Apply: Tally.score, Board: "tally 4", Example: ScoreArgs{"12"},
			}.Spec(),
			board.Rule[Tally, board.NoArgs]{
				Kind: "rub", Doc: "Rub all strokes out.", Laws: []board.LawKind{board.Sets},
				Law:   func(Tally, board.NoArgs) (board.Law, error) { return board.Law{Kind: board.Sets}, nil },
				Apply: Tally.rub, Board: "tally 4",
			}.Spec(),
		},
	}
}

// BreakArgs say where to break.
type BreakArgs struct {
	// Where.
	In string `json:"in" jsonschema:"required,enum=apply,enum=layout"`
}

// Break is a move that is a mistake in the program: it panics, at once or when the
// tally is laid out.
func Break() board.MoveSpec {
	return board.Rule[Tally, BreakArgs]{
		Kind: "break", Doc: "Break.", Laws: []board.LawKind{board.Keeps}, Board: "tally 4", Example: BreakArgs{"apply"},
		Apply: func(m Tally, a BreakArgs, _ *board.Tx) (Tally, error) {
			if a.In == "apply" {
				panic("the move is broken")
			}
			m.broken = true
			return m, nil
		},
	}.Spec()
}
