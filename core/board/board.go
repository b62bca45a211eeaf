// Package board holds the board that a class sees and the one function that
// changes it: Apply takes a board and a move and gives a new board, or a
// refusal. Apply never alters its input, so that undo is the value before.
package board

import (
	"encoding/json"
	"fmt"
	"slices"

	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Limits of one board.
const (
	MaxModels = 4
	MaxPieces = 3000
)

// PieceID names a piece of an open board: for motion and for finding what a
// finger touches. Ids are given out in order, are never used twice, and are
// not saved.
type PieceID uint32

// Model is one manipulative. Values are immutable: a move returns a new one.
type Model interface {
	// Kind is the registry's name of the model: "blocks".
	Kind() string
	// InPlay is the pieces in play as they lie, unregrouped.
	InPlay() place.UnitForm
	// Pieces is how many pieces there are, in play or not.
	Pieces() int
}

// Board is one to four models side by side with the covers over them.
type Board struct {
	Models []Model
	Titles []string
	Covers []Cover
	ids    IDs
}

// Cover hides one zone of a model: a column, a row, one side of a row.
type Cover struct {
	Model int    `json:"model"`
	Zone  string `json:"zone"`
}

// IDs gives out piece ids.
type IDs struct{ last PieceID }

// Next is an id that was never given out before.
func (ids *IDs) Next() PieceID { ids.last++; return ids.last }

// Take reserves n ids in a row and returns the first.
func (ids *IDs) Take(n int) PieceID {
	first := ids.last + 1
	ids.last += PieceID(n)
	return first
}

// After makes every later id of b larger than any of c's, so that an undone
// piece's id does not come back as another piece.
func (b Board) After(c Board) Board {
	b.ids.last = max(b.ids.last, c.ids.last)
	return b
}

// New makes a board of the named model kinds, each in its first state.
func New(kinds ...string) (Board, error) {
	var b Board
	for _, kind := range kinds {
		spec, ok := SpecOf(kind)
		if !ok {
			return Board{}, fmt.Errorf("there is no model called %q. Models are %s", kind, kindsList())
		}
		b.Models = append(b.Models, spec.New(&b.ids))
		b.Titles = append(b.Titles, "")
	}
	return b, nil
}

// Pieces is how many pieces are on the board.
func (b Board) Pieces() int {
	n := 0
	for _, m := range b.Models {
		n += m.Pieces()
	}
	return n
}

// Total is the exact value of the pieces in play on a model. Boards that
// decode or come out of Apply are always within the range of numbers.
func Total(m Model) place.Number {
	n, err := m.InPlay().Total()
	if err != nil {
		panic(err)
	}
	return n
}

// IsCovered reports whether any part of model i is covered; then no read-out
// may give its number away.
func (b Board) IsCovered(i int) bool {
	return slices.ContainsFunc(b.Covers, func(c Cover) bool { return c.Model == i })
}

// with is b with model i replaced; the input's slices stay as they are.
func (b Board) with(i int, m Model) Board {
	b.Models = slices.Clone(b.Models)
	b.Models[i] = m
	return b
}

// Turn is one application of a move: it gives out ids and collects what the
// move did.
type Turn struct {
	ids    *IDs
	room   int
	effect Effect
}

// Effect is what a move did, beside the new board.
type Effect struct {
	// Became says which pieces turned into which.
	Became []Became
	// Said announces the move; it never holds the total.
	Said say.Message
}

// Became is pieces that turned into others: ten ones into a ten.
type Became struct {
	From []PieceID `json:"from"`
	To   []PieceID `json:"to"`
}

// NewID is an id for a new piece.
func (t *Turn) NewID() PieceID { return t.ids.Next() }

// TakeIDs reserves n ids in a row.
func (t *Turn) TakeIDs(n int) PieceID { return t.ids.Take(n) }

// Room refuses when more pieces would not fit on the board.
func (t *Turn) Room(more int) error {
	if more > t.room {
		return say.Refuse("too-many-pieces", say.Int("n", say.Given, MaxPieces-t.room+more), say.Int("limit", say.Given, MaxPieces))
	}
	return nil
}

// Became records that pieces turned into others.
func (t *Turn) Became(from, to []PieceID) {
	t.effect.Became = append(t.effect.Became, Became{from, to})
}

// Say records the announcement.
func (t *Turn) Say(id string, values ...say.Value) { t.effect.Said = say.New(id, values...) }

// Apply makes the move. On a refusal the error is a *say.Refusal and the board
// returned is the one given.
func Apply(b Board, mv Move) (Board, Effect, error) {
	spec, err := b.find(mv)
	if err != nil {
		return b, Effect{}, err
	}
	ids := b.ids
	t := Turn{ids: &ids, room: MaxPieces - b.Pieces()}
	next, err := spec.apply(b, mv, &t)
	if err != nil {
		return b, Effect{}, err
	}
	next.ids = ids
	return next.settleCovers(), t.effect, nil
}

// ApplyAll makes the moves in order and stops at the first refusal.
func ApplyAll(b Board, moves []Move) (Board, error) {
	for i, mv := range moves {
		next, _, err := Apply(b, mv)
		if err != nil {
			return b, fmt.Errorf("move %d (%s): %w", i+1, mv.Kind, err)
		}
		b = next
	}
	return b, nil
}

// LawOf is what the move does to the total of the model that it names, told
// from the board before it.
func LawOf(b Board, mv Move) (Law, error) {
	spec, err := b.find(mv)
	if err != nil {
		return Law{}, err
	}
	return spec.law(b, mv)
}

// Saved is the move as it is kept in a file: pieces named by id become slots.
func Saved(b Board, mv Move) (Move, error) {
	spec, err := b.find(mv)
	if err != nil {
		return mv, err
	}
	return spec.saved(b, mv)
}

func (b Board) find(mv Move) (MoveSpec, error) {
	if spec, ok := findMove(boardMoves, mv.Kind); ok {
		return spec, nil
	}
	if mv.Model < 0 || mv.Model >= len(b.Models) {
		return MoveSpec{}, say.Refuse("no-model", say.Int("n", say.Given, mv.Model+1), say.Int("count", say.Given, len(b.Models)))
	}
	kind := b.Models[mv.Model].Kind()
	model, _ := SpecOf(kind)
	spec, ok := findMove(model.Moves, mv.Kind)
	if !ok {
		return MoveSpec{}, say.Refuse("unknown-move", say.Text("move", say.Given, fmt.Sprintf("%q", mv.Kind)), say.Text("model", say.Name, kind))
	}
	return spec, nil
}

func findMove(specs []MoveSpec, kind string) (MoveSpec, bool) {
	i := slices.IndexFunc(specs, func(s MoveSpec) bool { return s.Kind == kind })
	if i < 0 {
		return MoveSpec{}, false
	}
	return specs[i], true
}

// boardJSON is the file form of a board.
type boardJSON struct {
	Models []json.RawMessage `json:"models"`
	Titles []string          `json:"titles,omitempty"`
	Covers []Cover           `json:"covers,omitempty"`
}

// MarshalJSON writes everything but the ids.
func (b Board) MarshalJSON() ([]byte, error) {
	out := boardJSON{Models: make([]json.RawMessage, len(b.Models)), Covers: b.Covers}
	for i, m := range b.Models {
		raw, err := json.Marshal(m)
		if err != nil {
			return nil, err
		}
		out.Models[i] = raw
	}
	if slices.ContainsFunc(b.Titles, func(s string) bool { return s != "" }) {
		out.Titles = b.Titles
	}
	return json.Marshal(out)
}

// UnmarshalJSON reads a board and gives its pieces ids from 1 up, in order.
func (b *Board) UnmarshalJSON(data []byte) error {
	var in boardJSON
	if err := json.Unmarshal(data, &in); err != nil {
		return err
	}
	if len(in.Models) < 1 || len(in.Models) > MaxModels {
		return fmt.Errorf("models: a board holds one to four models, and this one has %d", len(in.Models))
	}
	*b = Board{Covers: in.Covers, Titles: make([]string, len(in.Models))}
	copy(b.Titles, in.Titles)
	for i, raw := range in.Models {
		m, err := decodeModel(raw, &b.ids)
		if err != nil {
			return fmt.Errorf("models[%d]: %w", i, err)
		}
		b.Models = append(b.Models, m)
	}
	return b.validate()
}

func (b Board) validate() error {
	if n := b.Pieces(); n > MaxPieces {
		return fmt.Errorf("models: %d pieces are too many; a board holds %d", n, MaxPieces)
	}
	for i, m := range b.Models {
		if _, err := m.InPlay().Total(); err != nil {
			return fmt.Errorf("models[%d]: %w", i, err)
		}
	}
	for i, c := range b.Covers {
		if c.Model < 0 || c.Model >= len(b.Models) || !hasZone(b.Models[c.Model], c.Zone) {
			return fmt.Errorf("covers[%d]: there is no zone %q on model %d", i, c.Zone, c.Model)
		}
	}
	return nil
}

func decodeModel(raw json.RawMessage, ids *IDs) (Model, error) {
	var head struct {
		Kind string `json:"kind"`
	}
	if err := json.Unmarshal(raw, &head); err != nil {
		return nil, err
	}
	spec, ok := SpecOf(head.Kind)
	if !ok {
		return nil, fmt.Errorf("kind: there is no model called %q. Models are %s", head.Kind, kindsList())
	}
	return spec.Decode(raw, ids)
}
