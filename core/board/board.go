// Package board holds the board that a class sees and the one function that
// changes it: Apply takes a board and a move and gives a new board, or a
// refusal. Apply never alters its input, so that undo is the value before.
package board

import (
	"fmt"
	"slices"

	"unitbloom/core/form"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Limits of one board.
const (
	MaxModels = 4
	MaxPieces = 3000
	MaxCovers = 60
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

// Board is one to four models side by side, each in its tile, with the covers
// over them.
type Board struct {
	Models []Model
	Tiles  []Tile
	Covers []Cover
	ids    IDs
	extra  form.Extra // fields of a later minor, as they came
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
		b.Tiles = append(b.Tiles, Tile{})
	}
	return b, nil
}

// Pieces is how many pieces are on the board.
func (b Board) Pieces() int {
	n := 0
	for i, m := range b.Models {
		n += m.Pieces()
		if i < len(b.Tiles) {
			n += b.Tiles[i].keptPieces()
		}
	}
	return n
}

// Total is the exact value of the pieces in play on a model. Boards that
// decode or come out of Apply are always within the range of numbers.
func Total(m Model) place.Number { return totalOf(m.InPlay()) }

func totalOf(form place.UnitForm) place.Number {
	n, err := form.Total()
	if err != nil {
		panic(err)
	}
	return n
}

// with is b with model i replaced; the input's slices stay as they are.
func (b Board) with(i int, m Model) Board {
	b.Models = slices.Clone(b.Models)
	b.Models[i] = m
	return b
}

// Tx is one application of a move: it gives out ids and collects what the
// move did.
type Tx struct {
	ids    *IDs
	room   int
	effect Effect
	board  Board // as it was, with the model that the move is about
	model  int
}

// Effect is what a move did, beside the new board.
type Effect struct {
	// Became says which pieces turned into which.
	Became []Became
	// Said announces the move; it never holds the total.
	Said say.Message
	// Also says what else happened, as when a linked model could not follow.
	Also []say.Message
	// Stages are boards on the way, for motion: a share dealt round, a hundred
	// opened to tens and then to ones.
	Stages []Board
}

// Became is pieces that turned into others: ten ones into a ten.
type Became struct {
	From []PieceID `json:"from"`
	To   []PieceID `json:"to"`
}

// NewID is an id for a new piece.
func (t *Tx) NewID() PieceID { return t.ids.Next() }

// TakeIDs reserves n ids in a row.
func (t *Tx) TakeIDs(n int) PieceID { return t.ids.Take(n) }

// CheckRoom refuses when more pieces would not fit on the board.
func (t *Tx) CheckRoom(more int) error {
	if more > t.room {
		return say.Refuse("too-many-pieces", say.Int("n", say.Given, MaxPieces-t.room+more),
			say.Int("limit", say.Given, MaxPieces))
	}
	return nil
}

// Became records that pieces turned into others.
func (t *Tx) Became(from, to []PieceID) {
	t.effect.Became = append(t.effect.Became, Became{from, to})
}

// Stage records the model as it is on the way to where the move leads.
func (t *Tx) Stage(m Model) {
	t.effect.Stages = append(t.effect.Stages, t.board.with(t.model, m).settleCovers())
}

// Also says something beside what the move did, to all who look on.
func (t *Tx) Also(id string, values ...say.Value) {
	t.effect.Also = append(t.effect.Also, say.New(id, values...))
}

// Say records the announcement.
func (t *Tx) Say(id string, values ...say.Value) { t.effect.Said = say.New(id, values...) }

// Apply makes the move. On a refusal the error is a *say.Refusal and the board
// returned is the one given. What comes out can always be kept in a file: that is
// looked at here, once, after every move of every model.
func Apply(b Board, mv Move) (Board, Effect, error) {
	cover := b.cloakOf(mv)
	if cover.err != nil {
		return b, Effect{}, cover.err
	}
	next, effect, err := b.apply(mv)
	if err != nil {
		return b, Effect{}, cover.refusal(err)
	}
	effect.Said = cover.said(effect.Said)
	return next, effect, nil
}

func (b Board) apply(mv Move) (Board, Effect, error) {
	spec, args, err := b.find(mv)
	if err != nil {
		return b, Effect{}, err
	}
	ids := b.ids
	t := Tx{ids: &ids, room: MaxPieces - b.Pieces(), board: b, model: mv.Model}
	next, err := spec.apply(b, mv.Model, args, &t)
	if err != nil {
		return b, Effect{}, err
	}
	if spec.ofModel {
		next = next.follow(b, mv.Model, &t)
	}
	next.ids = ids
	next = next.settleCovers()
	if err := next.check(); err != nil {
		return b, Effect{}, err
	}
	return next, t.effect, spec.checkArgs(args)
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
	spec, args, err := b.find(mv)
	if err != nil {
		return Law{}, err
	}
	return spec.law(b, mv.Model, args)
}

// Saved is the move as it is kept in a file: pieces named by id become slots.
func Saved(b Board, mv Move) (Move, error) {
	spec, args, err := b.find(mv)
	if err != nil {
		return mv, err
	}
	if spec.saved != nil {
		args, err = spec.saved(b, mv.Model, args)
	}
	return Move{Kind: mv.Kind, Model: mv.Model, Args: args}, err
}

// Read is the move with its parameters read, so that they are not read again by
// each that asks; one that cannot be read is given back as it is.
func (mv Move) Read(b Board) Move {
	if _, args, err := b.find(mv); err == nil {
		return Move{Kind: mv.Kind, Model: mv.Model, Args: args}
	}
	return mv
}

// IDs are the pieces that the move names by their ids on the open board.
func (mv Move) IDs(b Board) []PieceID {
	spec, args, err := b.find(mv)
	if err != nil {
		return nil
	}
	return spec.idsIn(args)
}

func (s *MoveSpec) idsIn(args any) []PieceID {
	var ids []PieceID
	s.limits.Session(args, func(v any) {
		if list, ok := v.([]PieceID); ok {
			ids = append(ids, list...)
		}
	})
	return ids
}

// find is the registry's line of a move, and its parameters.
func (b Board) find(mv Move) (*MoveSpec, any, error) {
	spec, ok := boardTable[mv.Kind]
	if !ok {
		if !b.has(mv.Model) {
			return nil, nil, b.noModel(mv.Model)
		}
		kind := b.Models[mv.Model].Kind()
		if spec, ok = moveTables[kind][mv.Kind]; !ok {
			return nil, nil, say.Refuse("unknown-move", say.Text("move", say.Given, fmt.Sprintf("%q", mv.Kind)),
				say.Text("model", say.Name, kind))
		}
	}
	args, err := mv.argsLike(spec.Args)
	return spec, args, err
}
