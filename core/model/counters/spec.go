package counters

import (
	"fmt"
	"slices"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Spec is the registry's line for counters.
func Spec() board.ModelSpec {
	return board.ModelSpec{
		Kind:    "counters",
		Title:   "Counters",
		Empties: "clear",
		Noun:    "counters",
		Names:   []string{"ten frames", "ten frame", "frames", "frame"},
		Doc:     "Two-sided counters and story shapes: loose, in frames of up to 12 × 12, or shared into groups.",
		New:     func(*board.IDs) board.Model { return Counters{Frames: []CounterFrame{{Rows: 2, Columns: 5}}} },
		Most:    100,
		Empty:   empty,
		Lay: func(count int, p place.Place, part int) []board.Move {
			return []board.Move{fill(0, place.Count{Place: p, Count: count}.Ones(), part == 2)}
		},
		Split:     split,
		Acts:      acts(),
		Ring:      pieces.Ring,
		Check:     func(m board.Model) error { return m.(Counters).check() },
		Decode:    decode,
		Shape:     JSON{},
		Layout:    layout,
		ReadOuts:  readOuts,
		Offers:    offers,
		Find:      kit.FindIDs,
		Parts:     parts,
		Follow:    follow,
		AllWays:   allWays,
		Counting:  counting,
		Parse:     parseNotation,
		Print:     printNotation,
		Canonical: canonical,
		Examples: []string{"counters 0", "counters 2x5: 6 + 3", "counters 2x5 2x5: 13", "counters 2 @ 4 4 4",
			"counters 8 of thousands", "counters 10x10: 37"},
		Moves: moves(),
	}
}

// tenFrames is how many in ten frames are still counted at a glance.
const tenFrames = 40

// empty are frames with a cell for every counter: ten frames, or a hundred frame.
func empty(most int) string {
	if most > tenFrames {
		return "counters 10x10: 0"
	}
	return "counters" + strings.Repeat(" 2x5", max(1, (most+9)/10)) + ": 0"
}

// split are the moves of one counter each that a move of several is made of.
func split(m board.Model, mv board.Move) (out []board.Move) {
	with := func(kind string, args any) { out = append(out, board.Move{Kind: kind, Args: args}) }
	switch a := mv.Args.(type) {
	case NumberArgs:
		n, err := place.Parse(a.Amount)
		count, whole := n.Whole()
		if mv.Kind != "build" || m.Pieces() > 0 || err != nil || !whole {
			return nil
		}
		for range min(count, board.MaxPieces) {
			with("place", PlaceArgs{Count: 1})
		}
	case PlaceArgs:
		n := a.Count
		a.Count = 1
		for range n {
			with("place", a)
		}
	case PutArgs:
		if len(a.Pieces) != 1 {
			return nil
		}
		for _, slot := range a.Pieces[0].Slots {
			with("put", PutArgs{Pieces: []board.Select{{Place: a.Pieces[0].Place, Slots: []int{slot}}}, Group: a.Group})
		}
	default:
		return pieces.Split(m, mv)
	}
	return out
}

func acts() board.Acts {
	return board.Acts{
		Build: func(amount string) board.Move { return board.Move{Kind: "build", Args: NumberArgs{Amount: amount}} },
		Step: func(by int, down bool) board.Move {
			return board.Move{Kind: "step", Args: StepArgs{By: by, Down: down}}
		},
		Frames: func(frames, rows, columns int) string {
			return "counters" + strings.Repeat(fmt.Sprintf(" %dx%d", rows, columns), frames) + ": 0"
		},
		Fill:  fill,
		Parts: func(first int) board.Move { return board.Move{Kind: "parts", Args: FirstArgs{First: first}} },
		Swap:  func() board.Move { return board.Move{Kind: "swap"} },
		Story: story,
		Array: func(rows, columns int) board.Move {
			return board.Move{Kind: "array", Args: FramesArgs{Rows: rows, Columns: columns}}
		},
		Skip:     func(shown bool) board.Move { return board.Move{Kind: "skip", Args: ShownArgs{Shown: shown}} },
		Numerals: func(shown bool) board.Move { return board.Move{Kind: "numerals", Args: ShownArgs{Shown: shown}} },
		Shade:    func(after int) board.Move { return board.Move{Kind: "split", Args: SplitArgs{After: after}} },
		Turn:     func() board.Move { return board.Move{Kind: "turn", Args: FrameArgs{Frame: 1}} },
		Groups:   func(count int) board.Move { return board.Move{Kind: "groups", Args: GroupsArgs{Count: count}} },
		Deal:     func(place.Place) board.Move { return board.Move{Kind: "share", Args: ShareArgs{Rounds: 1}} },
		Put: func(slots []int, group int) board.Move {
			return board.Move{Kind: "put", Args: PutArgs{Pieces: []board.Select{{Slots: slots}}, Group: group}}
		},
	}
}

func fill(frame, count int, mint bool) board.Move {
	return board.Move{Kind: "place", Args: PlaceArgs{Count: count, Mint: mint, Frame: frame}}
}

// story names what the counters stand for, and gives them its shape where there is one.
func story(things string) []board.Move {
	moves := []board.Move{{Kind: "unit", Args: UnitArgs{Name: things}}}
	if shape := strings.TrimSuffix(things, "s"); slices.Contains(Shapes, shape) {
		moves = append(moves, board.Move{Kind: "look", Args: LookArgs{Shape: shape}})
	}
	return moves
}

func moves() []board.MoveSpec {
	on := "counters 2x5: 6 + 3"
	grouped := board.Move{Kind: "groups", Args: GroupsArgs{3}}
	setsNone := func(Counters, board.NoArgs) (board.Law, error) { return board.Law{Kind: board.Sets}, nil }
	three := []board.Select{{Count: 3}}
	list := []board.MoveSpec{
		pieces.Move("build", "Put so many counters on the mat, in place of those there: 9, or 6 + 3 in two colours.",
			board.Sets, func(c Counters, a NumberArgs) (board.Law, error) {
				faces, err := c.readFaces(a.Amount)
				if err != nil {
					return board.Law{}, err
				}
				return c.law(board.Sets, faces[0]+faces[1])
			}, Counters.build, on, NumberArgs{"5 + 2"}),
		pieces.Move("place", "Put more counters down; they fill the cells in order, and what does not fit stays beside.",
			board.Adds,
			func(c Counters, a PlaceArgs) (board.Law, error) {
				return c.law(board.Adds,
					max(0, a.Count))
			}, Counters.putDown, on, PlaceArgs{Count: 4, Mint: true}),
		board.Rule[Counters, StepArgs]{
			Kind: "step", Doc: "So many more into the next cells, or so many fewer.",
			Laws: []board.LawKind{board.Adds, board.Takes},
			Law: func(c Counters, a StepArgs) (board.Law, error) {
				if a.Down {
					return c.law(board.Takes, max(0, a.By))
				}
				return c.law(board.Adds, max(0, a.By))
			},
			Apply: Counters.step, Board: "counters 10x10: 37", Example: StepArgs{By: 10},
		}.Spec(),
		board.Rule[Counters, pieces.PiecesArgs]{
			Kind: "flip", Doc: "Turn counters over to their other face.", Laws: []board.LawKind{board.Looks},
			Apply: Counters.flip,
			Saved: func(c Counters, a pieces.PiecesArgs) (pieces.PiecesArgs, error) {
				sels, err := kit.Saved(c.List, a.Pieces)
				return pieces.PiecesArgs{Pieces: sels}, err
			}, Board: on, Example: pieces.PiecesArgs{Pieces: three},
		}.Spec(),
		pieces.Move("parts", "Show the whole as two parts: so many of the first colour, the rest of the second.",
			board.Looks, nil, Counters.parts, on, FirstArgs{5}),
		pieces.Move("swap", "The two parts change places, each with its colour.", board.Keeps, nil, Counters.swap, on,
			board.NoArgs{}),
		pieces.Move("ways", "All ways to make the number of two parts, as a stack of frames in order.", board.Sets,
			waysLaw, Counters.ways, "counters 5", WaysArgs{}),
		pieces.Move("frames", "Set the frames of the mat, rows by columns; the counters fill them.", board.Keeps, nil,
			Counters.frames, "counters 13", FramesArgs{2, 5, 2}),
		pieces.Move("grow", "A frame grows or shrinks by a row or a column; a full one stays full.", board.Keeps,
			growLaw, Counters.grow, "counters 3x4: 12", GrowArgs{Frame: 1}),
		pieces.Move("copyFrame", "Put a copy of a frame with its counters beside it.", board.Adds, copyLaw,
			Counters.copyFrame, on, FrameArgs{1}),
		pieces.Move("turn", "Turn a frame on its side: 3 rows of 4 become 4 rows of 3.", board.Keeps, nil, Counters.turn,
			"counters 3x4: 12", FrameArgs{1}),
		pieces.Move("split", "Shade the frames after so many rows or columns.", board.Looks, nil, Counters.split,
			"counters 7x6: 42", SplitArgs{After: 5}),
		pieces.Move("fill", "Fill the frames anew, by rows or in pairs.", board.Keeps, nil, Counters.fillBy, on,
			FillArgs{"pairs"}),
		pieces.Move("numerals", "Number the cells of the frames.", board.Looks, nil, Counters.numerals, on,
			ShownArgs{true}),
		pieces.Move("skip", "Count in steps along the edge of the frames.", board.Looks, nil, Counters.skip,
			"counters 3x4: 12", ShownArgs{true}),
		pieces.Move("array", "Set one full frame: so many rows of so many.", board.Sets, arrayLaw, Counters.array,
			"counters 0", FramesArgs{Rows: 3, Columns: 4}),
		pieces.Move("groups", "Set the number of groups; the counters are kept.", board.Keeps, nil, Counters.groups,
			"counters 14", GroupsArgs{4}),
		pieces.Move("share",
			"Deal counters round the groups, one to each at a time, so often or until no full round is left.", board.Keeps,
			nil, Counters.share, "counters 14", ShareArgs{}, grouped),
		pieces.Move("deal", "Give one counter to the group whose turn it is.", board.Keeps, nil, Counters.deal,
			"counters 14",
			board.NoArgs{}, grouped),
		pieces.Move("story", "A sentence of one's own with numbers in braces puts down what it tells of; it is told "+
			"again with what lies there then.", board.Sets, storyLaw, Counters.tellStory, "counters 0",
			StoryArgs{"{3} snails sit on the leaf, {2} bees fly"}),
		pieces.Move("gather", "Bring all counters out of the groups.", board.Keeps, nil, Counters.gather,
			"counters 2 @ 4 4 4", board.NoArgs{}),
		pieces.Move("groupsOf", "Make groups of a given size; the rest are left over.", board.Keeps, nil,
			Counters.groupsOf, "counters 14", SizeArgs{4}),
		board.Rule[Counters, PutArgs]{
			Kind: "put", Doc: "Put counters into a group, into the cells of a frame, or out of all.",
			Laws: []board.LawKind{board.Keeps}, Apply: Counters.put,
			Saved: func(c Counters, a PutArgs) (PutArgs, error) {
				sels, err := kit.Saved(c.List, a.Pieces)
				a.Pieces = sels
				return a, err
			}, Board: "counters 14", Before: []board.Move{grouped}, Example: PutArgs{Pieces: three, Group: 1},
		}.Spec(),
		pieces.Move("lineUp", "Line loose counters up in fives or in tens.", board.Keeps, nil, Counters.lineUp,
			"counters 14", ByArgs{5}),
		pieces.Move("scatter", "Scatter the counters over the mat, on purpose.", board.Keeps, nil, Counters.scatter,
			"counters 14", SeedArgs{1}),
		kit.LayMove("Move counters freely on the mat.", kit.LayFree),
		pieces.Move("look", "Change the shape or the colours of all counters; they stay where they lie.", board.Looks,
			nil, Counters.changeLook, on, LookArgs{Shape: "bulb"}),
		pieces.Move("unit", "Rename what the counters count: 8 bulbs become 8 thousands.", board.Renames, unitLaw,
			Counters.unit, "counters 8", UnitArgs{"thousands"}),
		pieces.Move("tidy", "Loose counters line up or fill the cells; rings, marks and copies are put away.",
			board.Keeps, nil, Counters.tidy, "counters 14", board.NoArgs{}, board.Move{Kind: "scatter"}),
		pieces.Move("clear", "Put all counters away; frames and groups stay.", board.Sets, setsNone, Counters.clear, on,
			board.NoArgs{}),
	}
	return append(list, kit.Standing()...)
}

// offers are the verbs of a selection, in the order of their use.
func offers(m board.Model, ids []board.PieceID) []board.Offer {
	c := m.(Counters)
	if found, err := kit.FindAll(c.List, []board.Select{{IDs: ids}}); err != nil || len(found) == 0 {
		return nil
	}
	list := []board.Offer{pieces.Offer("flip", pieces.PiecesArgs{Pieces: []board.Select{{IDs: ids}}})}
	return append(list, kit.Offers(ids)...)
}

// parts are the two colours, when there are both.
func parts(m board.Model) []place.Number {
	c := m.(Counters)
	var out []place.Number
	one, two := c.inOrder()
	for _, n := range []int{one, two} {
		if v, err := c.place().Value().Times(n); err == nil && n > 0 {
			out = append(out, v)
		}
	}
	return out
}

// follow shows a linked number with more or fewer counters.
func follow(m board.Model, form place.UnitForm, t *board.Tx) (board.Model, error) {
	c := m.(Counters)
	total, err := form.Total()
	if err != nil {
		return c, err
	}
	n := total.Count(c.place())
	if back, err := c.place().Value().Times(n); err != nil || back != total {
		return c, say.Refuse("counters-unit", say.Number("n", say.Given, total), say.Text("unit", say.Name, c.counted(2)[2:]))
	}
	diff := n - c.count()
	if diff <= 0 {
		return c.with(pieces.Without(c.List, c.last(-diff))), nil
	}
	if err := t.CheckRoom(diff); err != nil {
		return c, err
	}
	added := many(diff, false, t.TakeIDs(diff))
	c.List = append(slices.Clone(c.List), added...)
	return c.fill(isOf(pieces.IDs(added))), nil
}

func counting(m board.Model) []board.Counted {
	c := m.(Counters)
	list := pieces.Each(c.List, func(k *pieces.Piece) {
		if k.Part = 1; k.Mint {
			k.Part = 2
		}
	})
	return pieces.Counting(m, list, func(pieces.Piece) place.Number { return c.place().Value() })
}
