package discs

import (
	"slices"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Spec is the registry's line for discs.
func Spec() board.ModelSpec {
	return board.ModelSpec{
		Kind:    "discs",
		Title:   "Place value discs",
		Empties: "clear",
		Noun:    "discs",
		Names:   []string{"chart", "place value chart"},
		Doc: "A chart of columns from millions to thousandths with labelled discs or plain dots, one to four rows, " +
			"groups to share into, and digit cards.",
		New:   func(ids *board.IDs) board.Model { return newDiscs(nil, ids) },
		Empty: func(int) string { return "discs 0" },
		Lay:   pieces.Lay,
		Split: pieces.Split,
		Acts:  acts(),
		Ring:  pieces.Ring,
		Written: func(m board.Model) []board.Cell {
			return pieces.Written(m, m.(Discs).List, func(place.Place) bool { return m.(Discs).Together })
		},
		Check:    func(m board.Model) error { return m.(Discs).check() },
		Decode:   decode,
		Shape:    JSON{},
		Layout:   layout,
		ReadOuts: readOuts,
		Offers:   offers,
		Find:     kit.FindIDs,
		Parts:    func(m board.Model) []place.Number { return pieces.Parts(m.(Discs).List) },
		Follow:   kit.Follow,
		Counting: func(m board.Model) []board.Counted {
			return pieces.Counting(m, m.(Discs).List, pieces.OwnValue)
		},
		Parse: func(s string, ids *board.IDs) (board.Model, error) {
			l, err := kit.Parse(s, ids)
			return newDiscs(l, ids), err
		},
		Print: func(m board.Model) string { return pieces.Print(m.(Discs).List) },
		Canonical: func(m board.Model) board.Model {
			d := m.(Discs)
			return Discs{Top: place.Hundreds, List: pieces.Canonical(d.List), cards: d.cards}
		},
		Examples: []string{"discs 0", "discs 3o 5.h", "discs 1h 4t 6o + 8t 7o", "discs 2m 1tth 12o"},
		Moves:    moves(),
	}
}

func acts() board.Acts {
	return board.Acts{
		Build: pieces.Build,
		Groups: func(count int) board.Move {
			return board.Move{Kind: "groups", Args: CountArgs{Count: count}}
		},
		Deal: func(p place.Place) board.Move {
			return board.Move{Kind: "share", Args: pieces.PlaceArgs{Place: p}}
		},
		OpenLeft: openLeft,
		Traces: func(shown bool) board.Move {
			return board.Move{Kind: "traces", Args: pieces.TracesArgs{Shown: shown}}
		},
		Columns: func(top, bottom place.Place) board.Move {
			return board.Move{Kind: "columns", Args: ColumnsArgs{Top: top, Bottom: bottom}}
		},
		Cards: func(to *place.Place) board.Move {
			return board.Move{Kind: "cards", Args: CardsArgs{Shown: true, To: to}}
		},
		Shift: func(by int, keep bool) board.Move {
			return board.Move{Kind: "shift", Args: ShiftArgs{By: by, Keep: keep}}
		},
	}
}

// openLeft opens discs that no track took: those of a place that lie last in no group.
func openLeft(m board.Model, p place.Place, count int) board.Move {
	var slots []int
	slot := 0
	for _, k := range m.(Discs).List {
		if k.Place != p || k.State != pieces.Play {
			continue
		}
		if k.Group == 0 && len(slots) < count {
			slots = append(slots, slot)
		}
		slot++
	}
	return board.Move{Kind: "unbundle", Args: pieces.UnbundleArgs{Place: p,
		Pieces: []board.Select{{Place: p, Slots: slots}}}}
}

func moves() []board.MoveSpec {
	scale := func(_ Discs, a ShiftArgs) (board.Law, error) { return board.Law{Kind: board.Scales, Power: a.By}, nil }
	setsNone := func(Discs, board.NoArgs) (board.Law, error) { return board.Law{Kind: board.Sets}, nil }
	setsNothing := func(d Discs, a DigitsArgs) (board.Law, error) {
		if a.Number == "" {
			return board.Law{Kind: board.Keeps}, nil
		}
		return board.Law{Kind: board.Sets}, nil
	}
	groups := board.Move{Kind: "groups", Args: CountArgs{3}}
	own := []board.MoveSpec{
		pieces.Move("shift",
			"Multiply or divide the whole number by 10, 100 or 1,000: every digit goes along, the point stays.", board.Scales,
			scale, Discs.shift, "discs 3o 5.h", ShiftArgs{By: 1, Keep: true}),
		board.Rule[Discs, ShiftSomeArgs]{
			Kind: "shiftDisc", Doc: "Shift single discs to another column.", Laws: []board.LawKind{board.Adds, board.Takes},
			Law: shiftSomeLaw, Apply: Discs.shiftSome,
			Saved: func(d Discs, a ShiftSomeArgs) (ShiftSomeArgs, error) {
				sels, err := kit.Saved(d.List, a.Pieces)
				a.Pieces = sels
				return a, err
			}, Board: kit.Sample, Example: ShiftSomeArgs{Pieces: []board.Select{{Count: 1}}, By: 1},
		}.Spec(),
		pieces.Move("needless", "Put the zeros away that need not be written.", board.Looks, nil, Discs.needless,
			"discs 3o 5.h",
			board.NoArgs{}, board.Move{Kind: "cards", Args: CardsArgs{Shown: true}},
			board.Move{Kind: "shift", Args: ShiftArgs{By: 1, Zeros: true}}),
		pieces.Move("dropStart", "Put the start row away.", board.Looks, nil, Discs.dropStart, "discs 3o 5.h",
			board.NoArgs{}, board.Move{Kind: "shift", Args: ShiftArgs{By: 1, Keep: true}}),
		pieces.Move("columns", "Choose the columns that are shown though empty; others appear when they are needed.",
			board.Looks, nil, Discs.columns, kit.Sample, ColumnsArgs{place.Thousands, place.Hundredths}),
		pieces.Move("rows", "Set the number of rows.", board.Looks, nil, Discs.setRows, kit.Sample, CountArgs{2}),
		pieces.Move("join", "Bring the discs of all rows into one.", board.Keeps, nil, Discs.join,
			"discs 1h 4t 6o + 8t 7o", board.NoArgs{}),
		pieces.Move("together", "Lay the addends in one row, or each in its own; they stay addends.", board.Looks, nil,
			Discs.together, "discs 1h 4t 6o + 8t 7o", TogetherArgs{Shown: true}),
		pieces.Move("traces", "Bundled and opened discs leave their trace, and the written method follows them.",
			board.Looks, nil,
			Discs.traces, kit.Sample, pieces.TracesArgs{Shown: true}),
		pieces.Move("style", "Labelled discs or plain dots.", board.Looks, nil, Discs.style, kit.Sample,
			StyleArgs{"dots"}),
		pieces.Move("cards",
			"Digit cards below the chart follow the discs; they may reach further down, with zeros where digits lack.",
			board.Looks, nil, Discs.showCards, kit.Sample, CardsArgs{Shown: true}),
		pieces.Move("digits", "Lay digit cards alone on the chart.", board.Sets, setsNothing, Discs.digits, kit.Sample,
			DigitsArgs{"40.50"}),
		pieces.Move("groups", "Set the number of tracks to share into; the discs are kept.", board.Keeps, nil,
			Discs.groups, kit.Sample, CountArgs{3}),
		pieces.Move("share",
			"Deal the discs of a place round the tracks, one to each at a time; the rest stay in the chart.", board.Keeps, nil,
			Discs.share, "discs 7h 2t 6o", pieces.PlaceArgs{Place: place.Hundreds}, groups),
		pieces.Move("deal", "Give one disc of a place to the group whose turn it is.", board.Keeps, nil, Discs.deal,
			"discs 7h 2t 6o", pieces.PlaceArgs{Place: place.Hundreds}, groups),
		board.Rule[Discs, PutArgs]{
			Kind: "put", Doc: "Put discs on a track, or back into the chart.", Laws: []board.LawKind{board.Keeps},
			Apply: Discs.put,
			Saved: func(d Discs, a PutArgs) (PutArgs, error) {
				sels, err := kit.Saved(d.List, a.Pieces)
				a.Pieces = sels
				return a, err
			}, Board: kit.Sample, Before: []board.Move{groups}, Example: PutArgs{[]board.Select{{Count: 3}}, 1},
		}.Spec(),
		pieces.Move("gather", "Bring all discs back into the chart.", board.Keeps, nil, Discs.gather, "discs 7h 2t 6o",
			board.NoArgs{}, groups, board.Move{Kind: "share", Args: pieces.PlaceArgs{Place: place.Hundreds}}),
		pieces.Move("tidy", "Rings, marks, copies and traces are put away.", board.Keeps, nil, Discs.tidy, kit.Sample,
			board.NoArgs{}, board.Move{Kind: "ring", Args: pieces.RingArgs{Pieces: []board.Select{{Count: 3}}}}),
		pieces.Move("clear", "Put all discs away.", board.Sets, setsNone, Discs.clear, kit.Sample, board.NoArgs{}),
	}
	return slices.Concat(kit.Placing("discs 0", "discs 1h 4t 13o"), own, kit.Standing())
}

// offers are the verbs of a selection, in the order of their use.
func offers(m board.Model, ids []board.PieceID) []board.Offer {
	list := kit.BundleOffers(m.(Discs), ids)
	if list == nil {
		return nil
	}
	sel := []board.Select{{IDs: ids}}
	for _, by := range []int{1, -1} {
		list = append(list, board.Offer{
			Label: say.New("verb.shiftDisc", say.Text("times", say.Given, timesText(by))),
			Move:  board.Move{Kind: "shiftDisc", Args: ShiftSomeArgs{sel, by}},
		})
	}
	return append(list, kit.Offers(ids)...)
}

// readOuts are what the chart says beside its number.
func readOuts(m board.Model, w say.Vocabulary, _ []board.Covering) []board.ReadOut {
	d := m.(Discs)
	text := "–"
	if d.Groups > 0 {
		in := d.inGroups()
		left := 0
		for _, k := range d.List {
			if k.Group == 0 && k.State == pieces.Play {
				left++
			}
		}
		rest := d.with(slices.DeleteFunc(slices.Clone(d.List), func(k pieces.Piece) bool { return k.Group > 0 }))
		leftOver := say.Number("left", say.Amount, board.Total(rest))
		if text = say.New("counters.groups", say.Text("list", say.Amount, strings.Join(in, ", ")),
			leftOver).Text(w); allEqual(in) {
			text = say.New("counters.shared", say.Int("groups", say.Given, d.Groups), say.Text("each", say.Amount, in[0]),
				leftOver).Text(w)
		}
	}
	return []board.ReadOut{{ID: "shared", Label: say.New("label.shared").Text(w), Text: text}}
}
