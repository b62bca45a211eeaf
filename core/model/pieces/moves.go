package pieces

import (
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Holder is a model of pieces. With is the model holding other pieces.
type Holder interface {
	board.Model
	Held() []Piece
	With([]Piece) Holder
}

// Kit makes the moves that the models of pieces share. They are made on any of
// the models, not for each: moves of its own for each would make the browser's
// core a twentieth larger.
type Kit struct {
	Rules
	// Sample is a board of the model, in notation, with several ones; OnSample is
	// a part of it to name in examples.
	Sample string
}

// PiecesArgs name the pieces that a move is about.
type PiecesArgs struct {
	// Which pieces.
	Pieces []board.Select `json:"pieces" jsonschema:"required"`
}

// RingArgs name the pieces of a ring.
type RingArgs struct {
	// Which pieces.
	Pieces []board.Select `json:"pieces" jsonschema:"required"`
	// The rings drawn before stay.
	Beside bool `json:"beside,omitempty"`
}

// LayArgs move pieces freely.
type LayArgs struct {
	// Which pieces.
	Pieces []board.Select `json:"pieces" jsonschema:"required"`
	// To the right, in model units.
	DX int `json:"dx"`
	// Down, in model units.
	DY int `json:"dy"`
}

// Standing are the moves that change how pieces stand: in play, crossed out,
// taken, ringed, counted; and copies to look at.
func (k Kit) Standing() []board.MoveSpec {
	some := PiecesArgs{[]board.Select{{Place: place.Ones, Count: 3}}}
	out := func(s State) bool { return s == Crossed || s == Taken }
	taken := []board.Move{{Kind: "take", Args: some}}
	return []board.MoveSpec{
		k.piecesMove("take", "Take pieces away to the Taken tray.", board.Takes, inPlay, k.setState(Taken, "did.took", Play),
			some, nil),
		k.piecesMove("cross", "Cross pieces out where they lie.", board.Takes, inPlay,
			k.setState(Crossed, "did.crossed", Play), some, nil),
		k.piecesMove("restore", "Put crossed-out or taken pieces back in play.", board.Adds, out,
			k.setState(Play, "did.restored", Crossed, Taken),
			PiecesArgs{[]board.Select{{Place: place.Ones, State: "taken", Count: 1}}}, taken),
		k.piecesMove("intoPlay", "Bring copies into play: they count from now on.", board.Adds,
			func(s State) bool { return s == Copy }, k.intoPlay,
			PiecesArgs{[]board.Select{{Place: place.Ones, State: "copy", Count: 1}}}, []board.Move{{Kind: "copy", Args: some}}),
		k.piecesMove("remove", "Put pieces away without a trace.", board.Takes, inPlay, k.remove, some, nil),
		board.Rule[Holder, RingArgs]{
			Kind: "ring", Doc: "Ring pieces; rings drawn before go, unless this one stands beside them.",
			Laws: []board.LawKind{board.Looks}, Apply: k.ring, Board: k.Sample, Example: RingArgs{Pieces: some.Pieces},
			Saved: func(m Holder, a RingArgs) (RingArgs, error) {
				sels, err := k.Saved(m.Held(), a.Pieces)
				return RingArgs{sels, a.Beside}, err
			},
		}.Spec(),
		k.piecesMove("copy", "Lay copies of pieces beside them, to compare. Copies are not in play.", board.Looks, nil,
			k.copies, some, nil),
		Move("counted", "Take the mark off new pieces.", board.Looks, nil, k.counted, k.Sample, board.NoArgs{}),
	}
}

// Move is a rule of a model of pieces, with the law of its first kind.
func Move[M Holder, A any](kind, doc string, law board.LawKind, tell func(M, A) (board.Law, error),
	apply func(M, A, *board.Tx) (M, error), on string, example A, before ...board.Move) board.MoveSpec {
	return board.Rule[M, A]{Kind: kind, Doc: doc, Laws: []board.LawKind{law}, Law: tell, Apply: apply, Board: on,
		Before: before, Example: example}.Spec()
}

func (k Kit) piecesMove(kind, doc string, law board.LawKind, counts func(State) bool,
	apply func(Holder, PiecesArgs, *board.Tx) (Holder, error), example PiecesArgs, before []board.Move) board.MoveSpec {
	r := board.Rule[Holder, PiecesArgs]{
		Kind: kind, Doc: doc, Laws: []board.LawKind{law}, Apply: apply, Board: k.Sample, Before: before, Example: example,
		Saved: func(m Holder, a PiecesArgs) (PiecesArgs, error) {
			sels, err := k.Saved(m.Held(), a.Pieces)
			return PiecesArgs{sels}, err
		},
	}
	if counts != nil {
		r.Law = func(m Holder, a PiecesArgs) (board.Law, error) {
			found, err := k.FindAll(m.Held(), a.Pieces)
			if err != nil {
				return board.Law{}, err
			}
			found = slices.DeleteFunc(found, func(p Piece) bool { return !counts(p.State) })
			return k.worth(m, law, found)
		}
	}
	return r.Spec()
}

// worth is the law of some pieces coming or going, told by the model itself:
// its pieces may count a larger unit.
func (k Kit) worth(m Holder, law board.LawKind, found []Piece) (board.Law, error) {
	only := m.With(Each(found, func(p *Piece) { p.State = Play }))
	v, err := only.InPlay().Total()
	return board.Law{Kind: law, Value: v}, err
}

func inPlay(s State) bool { return s == Play }

// setState makes a move that brings pieces from some states to another.
func (k Kit) setState(to State, did string, from ...State) func(Holder, PiecesArgs, *board.Tx) (Holder, error) {
	return func(m Holder, a PiecesArgs, t *board.Tx) (Holder, error) {
		found, err := k.FindAll(m.Held(), a.Pieces)
		if err != nil {
			return m, err
		}
		if err := AllIn(found, from...); err != nil {
			return m, err
		}
		t.Say(did, say.Form("form", say.Amount, FormOf(found)))
		return m.With(Change(m.Held(), IDs(found), func(p *Piece) {
			p.State, p.New, p.Ring = to, false, 0
			if to != Play {
				p.Loose = p.Loose && to == Crossed
			}
			if to == Taken {
				p.Group, p.Frame, p.Cell = 0, 0, 0
			}
		})), nil
	}
}

// intoPlay lets copies count. Those of a start row only show what was.
func (k Kit) intoPlay(m Holder, a PiecesArgs, t *board.Tx) (Holder, error) {
	found, err := k.FindAll(m.Held(), a.Pieces)
	if err != nil {
		return m, err
	}
	if slices.ContainsFunc(found, func(p Piece) bool { return p.Start }) {
		return m, say.Refuse("only-copy")
	}
	return k.setState(Play, "did.restored", Copy)(m, a, t)
}

func (k Kit) remove(m Holder, a PiecesArgs, t *board.Tx) (Holder, error) {
	found, err := k.FindAll(m.Held(), a.Pieces)
	if err != nil {
		return m, err
	}
	t.Say("did.removed", say.Form("form", say.Amount, FormOf(found)))
	return m.With(Without(m.Held(), IDs(found))), nil
}

func (k Kit) ring(m Holder, a RingArgs, t *board.Tx) (Holder, error) {
	found, err := k.FindPlaying(m.Held(), a.Pieces)
	if err != nil {
		return m, err
	}
	ring, list := int8(1), m.Held()
	if a.Beside {
		for _, p := range list {
			ring = max(ring, p.Ring+1)
		}
	} else {
		list = Each(list, func(p *Piece) { p.Ring = 0 })
	}
	if ring > board.MaxRings {
		return m, say.Refuse("rings", say.Int("most", say.Given, board.MaxRings))
	}
	t.Say("did.ringed", say.Form("form", say.Amount, FormOf(found)))
	return m.With(Change(list, IDs(found), func(p *Piece) { p.Ring = ring })), nil
}

func (k Kit) copies(m Holder, a PiecesArgs, t *board.Tx) (Holder, error) {
	found, err := k.FindAll(m.Held(), a.Pieces)
	if err != nil {
		return m, err
	}
	if err := t.CheckRoom(len(found)); err != nil {
		return m, err
	}
	first := t.TakeIDs(len(found))
	t.Say("did.copied", say.Form("form", say.Amount, FormOf(found)))
	list := m.Held()
	for i, p := range found {
		list = Insert(list, Piece{ID: first + board.PieceID(i), Place: p.Place, Part: p.Part, Mint: p.Mint, State: Copy})
	}
	return m.With(list), nil
}

func (k Kit) counted(m Holder, _ board.NoArgs, t *board.Tx) (Holder, error) {
	t.Say("did.counted")
	return m.With(Each(m.Held(), func(p *Piece) { p.New = false })), nil
}

// Offers are the verbs of a selection for how its pieces stand.
func (k Kit) Offers(ids []board.PieceID) []board.Offer {
	sel := PiecesArgs{[]board.Select{{IDs: ids}}}
	var list []board.Offer
	for _, kind := range []string{"take", "cross", "restore", "intoPlay", "ring", "copy", "remove"} {
		args := any(sel)
		if kind == "ring" {
			args = RingArgs{Pieces: sel.Pieces}
		}
		list = append(list, Offer(kind, args))
	}
	return list
}

// Offer is a verb by the name of its move.
func Offer(kind string, args any, values ...say.Value) board.Offer {
	return board.Offer{Label: say.New("verb."+kind, values...), Move: board.Move{Kind: kind, Args: args}}
}

// FindIDs are the ids of what a selector means, none when it does not fit.
func (k Kit) FindIDs(m board.Model, sel board.Select) []board.PieceID {
	found, err := k.Find(m.(Holder).Held(), sel)
	if err != nil {
		return nil
	}
	return IDs(found)
}

// LayFree moves pieces freely from where the layout has them.
func (k Kit) LayFree(m Holder, a LayArgs, t *board.Tx) (Holder, error) {
	found, err := k.FindAll(m.Held(), a.Pieces)
	if err != nil {
		return m, err
	}
	at := map[board.PieceID]board.Sprite{}
	for _, s := range board.LayOut(m).Pieces {
		at[s.ID] = s
	}
	t.Say("did.moved", say.Form("form", say.Amount, FormOf(found)))
	return m.With(Change(m.Held(), IDs(found), func(p *Piece) {
		p.Loose, p.Frame, p.Cell, p.Group = true, 0, 0, 0
		p.X, p.Y = ClampX(int(at[p.ID].X)+a.DX), ClampY(int(at[p.ID].Y)+a.DY)
	})), nil
}

// LayMove is the move that lays pieces freely.
func (k Kit) LayMove(doc string, apply func(Holder, LayArgs, *board.Tx) (Holder, error),
	before ...board.Move) board.MoveSpec {
	return board.Rule[Holder, LayArgs]{
		Kind: "lay", Doc: doc, Laws: []board.LawKind{board.Keeps}, Apply: apply, Board: k.Sample, Before: before,
		Example: LayArgs{Pieces: []board.Select{{Count: 3}}, DX: 40, DY: 20},
		Saved: func(m Holder, a LayArgs) (LayArgs, error) {
			sels, err := k.Saved(m.Held(), a.Pieces)
			a.Pieces = sels
			return a, err
		},
	}.Spec()
}

// Tidy puts loose pieces into their slots, takes rings and marks off, and puts
// copies and traces away.
func Tidy(list []Piece) []Piece {
	list = Each(list, func(k *Piece) { k.Loose, k.X, k.Y, k.Ring, k.New = false, 0, 0, 0, false })
	return slices.DeleteFunc(list, func(k Piece) bool { return k.State == Spent || k.State == Copy })
}
