package blocks

import (
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
)

// Spec is the registry's line for blocks.
func Spec() board.ModelSpec {
	return board.ModelSpec{
		Kind:    "blocks",
		Title:   "Base-ten blocks",
		Empties: "clear",
		Noun:    "blocks",
		Names:   []string{"base ten blocks"},
		Doc: "Ones, tens, hundreds and thousands, and on to hundred thousands drawn small, in columns or on an open mat, " +
			"solid or as a sketch.",
		New:   func(*board.IDs) board.Model { return Blocks{} },
		Most:  9999,
		Empty: func(int) string { return "blocks 0" },
		Lay:   pieces.Lay,
		Split: pieces.Split,
		Acts: board.Acts{
			Build: pieces.Build,
			Reach: func(top place.Place) board.Move {
				return board.Move{Kind: "columns", Args: pieces.PlaceArgs{Place: top}}
			},
			Join: func(p place.Place) board.Move {
				return board.Move{Kind: "join", Args: pieces.PlaceArgs{Place: p}}
			},
			Traces: traces,
			Sketch: func() board.Move { return board.Move{Kind: "style", Args: StyleArgs{"sketch"}} },
		},
		Ring: pieces.Ring,
		Written: func(m board.Model) []board.Cell {
			return pieces.Written(m, m.(Blocks).Ordered, m.(Blocks).isJoined)
		},
		Check:    func(m board.Model) error { return kit.Check(m.(Blocks).Ordered) },
		Decode:   decode,
		Shape:    Shape{},
		Layout:   layout,
		Offers:   offers,
		Find:     kit.FindIDs,
		Parts:    func(m board.Model) []place.Number { return pieces.Parts(m.(Blocks).Ordered) },
		Follow:   kit.Follow,
		Counting: func(m board.Model) []board.Counted { return pieces.Counting(m, m.(Blocks).Ordered, pieces.OwnValue) },
		Parse: func(s string, ids *board.IDs) (board.Model, error) {
			l, err := kit.Parse(s, ids)
			return Blocks{Ordered: l}, err
		},
		Print:     func(m board.Model) string { return pieces.Print(m.(Blocks).Ordered) },
		Canonical: func(m board.Model) board.Model { return Blocks{Ordered: pieces.Canonical(m.(Blocks).Ordered)} },
		Examples:  []string{"blocks 0", "blocks 1h 4t 6o", "blocks 3h 12o", "blocks 1h 4t 6o + 8t 7o & 1t"},
		Moves:     moves(),
	}
}

func traces(shown bool) board.Move {
	return board.Move{Kind: "traces", Args: pieces.TracesArgs{Shown: shown}}
}

func moves() []board.MoveSpec {
	list := slices.Concat(kit.Placing("blocks 0", "blocks 1h 4t 13o"), kit.Standing())
	for i := range list {
		if list[i].Kind == "build" {
			list[i] = pieces.Move("build", list[i].Doc, board.Sets, kit.AmountLaw(board.Sets), build, "blocks 0",
				pieces.AmountArgs{Amount: "14 tens 6 ones"})
		}
	}
	mat := board.Move{Kind: "view", Args: ViewArgs{"mat"}}
	return append(list,
		pieces.Move("join", "The addends of a place lie together.", board.Keeps, nil, Blocks.join, "blocks 6o + 7o",
			pieces.PlaceArgs{Place: place.Ones}),
		pieces.Move("apart", "The addends of a place lie apart again.", board.Keeps, nil, Blocks.apart,
			"blocks 6o + 7o", pieces.PlaceArgs{Place: place.Ones},
			board.Move{Kind: "join", Args: pieces.PlaceArgs{Place: place.Ones}}),
		pieces.Move("tidy", "Loose blocks go to their slots; rings, marks, copies and traces are put away.", board.Keeps,
			nil, Blocks.tidy, "blocks 2t 13o", board.NoArgs{},
			board.Move{Kind: "ring", Args: pieces.RingArgs{Pieces: []board.Select{{Count: 3}}}}),
		pieces.Move("clear", "Put all blocks away.", board.Sets,
			func(Blocks, board.NoArgs) (board.Law, error) {
				return board.Law{Kind: board.Sets}, nil
			}, Blocks.clear, "blocks 2t 13o", board.NoArgs{}),
		kit.LayMove("Move blocks freely on the open mat.", lay, mat),
		board.Rule[Blocks, pieces.PiecesArgs]{
			Kind: "turn", Doc: "Turn blocks on their side, on the open mat.", Laws: []board.LawKind{board.Looks},
			Apply: Blocks.turn,
			Saved: func(b Blocks, a pieces.PiecesArgs) (pieces.PiecesArgs, error) {
				sels, err := kit.Saved(b.Ordered, a.Pieces)
				return pieces.PiecesArgs{Pieces: sels}, err
			}, Board: "blocks 4t 6o", Before: []board.Move{mat},
			Example: pieces.PiecesArgs{Pieces: []board.Select{{Place: place.Tens, Count: 2}}},
		}.Spec(),
		pieces.Move("view", "Columns or an open mat.", board.Looks, nil, Blocks.view, "blocks 4t 6o", ViewArgs{"mat"}),
		pieces.Move("style", "Solid blocks or a sketch.", board.Looks, nil, Blocks.style, "blocks 4t 6o",
			StyleArgs{"sketch"}),
		pieces.Move("colour", "Colours tell the place or the addend, or all blocks are plain.", board.Looks, nil,
			Blocks.colour, "blocks 4t + 6o", ColourArgs{"addend"}),
		pieces.Move("traces", "Bundled and opened blocks leave their trace, and the written method follows them.",
			board.Looks, nil,
			Blocks.traces, "blocks 4t 6o", pieces.TracesArgs{Shown: true}),
		pieces.Move("names", "Show the names of the places and the shapes that repeat, each ten times the one before.",
			board.Looks, nil, Blocks.names, "blocks 4t 6o", NamesArgs{true}),
		pieces.Move("columns", "Show columns up to a place though they are empty.", board.Looks, nil, Blocks.columns,
			"blocks 6o", pieces.PlaceArgs{Place: place.Hundreds}),
	)
}

// offers are the verbs of a selection, in the order of their use.
func offers(m board.Model, ids []board.PieceID) []board.Offer {
	bundling := kit.BundleOffers(m.(Blocks), ids)
	if bundling == nil {
		return nil
	}
	if m.(Blocks).Mat {
		bundling = append(bundling, pieces.Offer("turn", pieces.PiecesArgs{Pieces: []board.Select{{IDs: ids}}}))
	}
	return append(bundling, kit.Offers(ids)...)
}
