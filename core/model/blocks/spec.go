package blocks

import (
	"unitbloom/core/board"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Spec is the registry's line for blocks.
func Spec() board.ModelSpec {
	return board.ModelSpec{
		Kind:      "blocks",
		Title:     "Base-ten blocks",
		Doc:       "Ones, tens, hundreds and thousands, in columns or on an open mat, solid or as a sketch.",
		New:       func(*board.IDs) board.Model { return Blocks{} },
		Decode:    decode,
		Shape:     Shape{},
		Layout:    layout,
		Offers:    offers,
		Find:      findIDs,
		Parse:     parseNotation,
		Print:     printNotation,
		Canonical: canonical,
		Examples:  []string{"blocks 0", "blocks 1h 4t 6o", "blocks 3h 12o", "blocks 1h 4t 6o + 8t 7o & 1t"},
		Moves:     moves(),
	}
}

func moves() []board.MoveSpec {
	pieces := PiecesArgs{[]board.Select{{Place: place.Ones, Count: 3}}}
	savedPieces := func(b Blocks, a PiecesArgs) (PiecesArgs, error) {
		sels, err := b.saved(a.Pieces)
		return PiecesArgs{sels}, err
	}
	out := func(s State) bool { return s == Crossed || s == Taken }
	return []board.MoveSpec{
		rule("build", "Put the number on the board at once, in place of what is there.", board.Sets, amountLaw(board.Sets), Blocks.build, nil, "blocks 0", AmountArgs{Amount: "14 tens 6 ones"}),
		rule("place", "Put an amount on the board beside what is there.", board.Adds, amountLaw(board.Adds), Blocks.place, nil, "blocks 1h", AmountArgs{Amount: "46"}),
		rule("take", "Take blocks away to the Taken tray.", board.Takes, piecesLaw(board.Takes, inPlay), setState(Taken, "did.took", Play), savedPieces, "blocks 4t 6o", pieces),
		rule("cross", "Cross blocks out where they lie.", board.Takes, piecesLaw(board.Takes, inPlay), setState(Crossed, "did.crossed", Play), savedPieces, "blocks 4t 6o", pieces),
		rule("restore", "Put crossed-out or taken blocks back in play.", board.Adds, piecesLaw(board.Adds, out), setState(Play, "did.restored", Crossed, Taken), savedPieces, "", PiecesArgs{[]board.Select{{Place: place.Ones, State: "taken", Count: 1}}}),
		rule("remove", "Put blocks away without a trace.", board.Takes, piecesLaw(board.Takes, inPlay), Blocks.remove, savedPieces, "blocks 4t 6o", pieces),
		rule("bundle", "Ten blocks of a place become one of the next.", board.Keeps, nil, Blocks.Bundle, savedBundle, "blocks 1h 4t 13o", BundleArgs{Place: place.Ones}),
		rule("unbundle", "A block becomes ten of the next smaller place, or more of a smaller one.", board.Keeps, nil, Blocks.Unbundle, savedUnbundle, "blocks 1h 4t 6o", UnbundleArgs{Place: place.Tens}),
		rule("join", "The addends of a place lie together.", board.Keeps, nil, Blocks.join, nil, "blocks 6o + 7o", PlaceArgs{place.Ones}),
		rule("apart", "The addends of a place lie in their rows again.", board.Keeps, nil, Blocks.apart, nil, "blocks 6o + 7o", PlaceArgs{place.Ones}),
		rule("ring", "Ring blocks; an empty choice is refused.", board.Looks, nil, Blocks.ring, savedPieces, "blocks 13o", pieces),
		rule("counted", "Take the mark off new blocks.", board.Looks, nil, Blocks.counted, nil, "blocks 2t", board.NoArgs{}),
		rule("tidy", "Loose blocks go to their slots; rings, marks and traces are put away.", board.Keeps, nil, Blocks.tidy, nil, "blocks 2t 13o", board.NoArgs{}),
		rule("clear", "Put all blocks away.", board.Sets, func(Blocks, board.NoArgs) (board.Law, error) { return board.Law{Kind: board.Sets}, nil }, Blocks.clear, nil, "blocks 2t 13o", board.NoArgs{}),
		rule("lay", "Move blocks freely on the open mat.", board.Keeps, nil, Blocks.lay, savedLay, "", LayArgs{Pieces: pieces.Pieces, DX: 40, DY: 20}),
		rule("view", "Columns or an open mat.", board.Looks, nil, Blocks.view, nil, "blocks 4t 6o", ViewArgs{"mat"}),
		rule("style", "Solid blocks or a sketch.", board.Looks, nil, Blocks.style, nil, "blocks 4t 6o", StyleArgs{"sketch"}),
		rule("columns", "Show columns up to a place though they are empty.", board.Looks, nil, Blocks.columns, nil, "blocks 6o", PlaceArgs{place.Hundreds}),
	}
}

func rule[A any](kind, doc string, law board.LawKind, tell func(Blocks, A) (board.Law, error), apply func(Blocks, A, *board.Turn) (Blocks, error), saved func(Blocks, A) (A, error), boardText string, example A) board.MoveSpec {
	return board.Rule[Blocks, A]{
		Kind: kind, Doc: doc, Laws: []board.LawKind{law}, Law: tell,
		Apply: apply, Saved: saved, Board: boardText, Example: example,
	}.Spec()
}

func savedBundle(b Blocks, a BundleArgs) (BundleArgs, error) {
	sels, err := b.saved(a.Pieces)
	a.Pieces = sels
	return a, err
}

func savedUnbundle(b Blocks, a UnbundleArgs) (UnbundleArgs, error) {
	sels, err := b.saved(a.Pieces)
	a.Pieces = sels
	return a, err
}

func savedLay(b Blocks, a LayArgs) (LayArgs, error) {
	sels, err := b.saved(a.Pieces)
	a.Pieces = sels
	return a, err
}

func findIDs(m board.Model, sel board.Select) []board.PieceID {
	found, err := m.(Blocks).find(sel)
	if err != nil {
		return nil
	}
	return idsOf(found)
}

// offers are the verbs of a selection, in the order of their use.
func offers(m board.Model, ids []board.PieceID) []board.Offer {
	b := m.(Blocks)
	found, err := b.byID(ids)
	if err != nil || len(found) == 0 {
		return nil
	}
	sel := []board.Select{{IDs: ids}}
	p := found[0].Place
	offer := func(label say.Message, kind string, args any) board.Offer {
		return board.Offer{Label: label, Move: board.Move{Kind: kind, Args: args}}
	}
	var list []board.Offer
	if p < Largest {
		list = append(list, offer(say.New("verb.bundle", say.PlaceName("next", p+1)), "bundle", BundleArgs{Place: p, Pieces: sel}))
	}
	for to := p - 1; to >= Smallest; to-- {
		list = append(list, offer(say.New("verb.unbundle", say.PlaceName("to", to)), "unbundle", UnbundleArgs{Place: p, Pieces: sel, To: &to}))
	}
	for _, kind := range []string{"take", "cross", "restore", "ring", "remove"} {
		list = append(list, offer(say.New("verb."+kind), kind, PiecesArgs{sel}))
	}
	return list
}
