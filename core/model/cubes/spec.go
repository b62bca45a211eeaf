package cubes

import (
	"fmt"
	"slices"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Spec is the registry's line for cubes.
func Spec() board.ModelSpec {
	return board.ModelSpec{
		Kind:    "cubes",
		Title:   "Linking cubes",
		Empties: "clear",
		Noun:    "cubes",
		Names:   []string{"cubes", "trains"},
		Doc:     "Trains of 1 to 20 cubes in colours by part, snapped anywhere and joined, and towers of ten.",
		New:     func(*board.IDs) board.Model { return Cubes{} },
		Most:    100,
		Empty:   func(int) string { return "cubes 0" },
		Lay:     lay,
		Split:   split,
		Acts: board.Acts{
			Build: func(amount string) board.Move { return board.Move{Kind: "build", Args: NumberArgs{Amount: amount}} },
			Extend: func(row, count, part int) board.Move {
				return board.Move{Kind: "add", Args: AddArgs{Train: row, Count: count, Part: part}}
			},
			Tower: func(train int) board.Move { return board.Move{Kind: "tower", Args: OneTrainArgs{Train: train}} },
			Snap: func(after int) []board.Move {
				return []board.Move{{Kind: "snap", Args: SnapArgs{Train: 1, After: after}}, {Kind: "colourTrains"}}
			},
		},
		Ring:      pieces.Ring,
		Check:     func(m board.Model) error { return m.(Cubes).check() },
		Decode:    decode,
		Shape:     JSON{},
		Layout:    layout,
		ReadOuts:  readOuts,
		Offers:    offers,
		Find:      kit.FindIDs,
		Parts:     parts,
		Follow:    follow,
		Counting:  counting,
		Parse:     parseNotation,
		Print:     printNotation,
		Canonical: canonical,
		Examples:  []string{"cubes 0", "cubes 9", "cubes 5a4b 3", "cubes 2T 5a4b"},
		Moves:     moves(),
	}
}

// lay puts a train down; ten in a train become a tower.
func lay(count int, p place.Place, part int) []board.Move {
	if p == place.Ones {
		return []board.Move{{Kind: "place", Args: TrainArgs{Count: count, Part: part}}}
	}
	var moves []board.Move
	for range (place.Count{Place: p, Count: count}).Ones() / 10 {
		moves = append(moves, board.Move{Kind: "place", Args: TrainArgs{Count: 10, Part: part}},
			board.Move{Kind: "tower", Args: OneTrainArgs{Train: 1}})
	}
	return moves
}

// split are the moves of one cube each that a train is laid or grows by.
func split(m board.Model, mv board.Move) (out []board.Move) {
	add := func(train, count, part int) {
		for range count {
			out = append(out, board.Move{Kind: "add", Args: AddArgs{Train: train, Count: 1, Part: part}})
		}
	}
	switch a := mv.Args.(type) {
	case TrainArgs:
		out = append(out, board.Move{Kind: "place", Args: TrainArgs{Count: 1, Part: a.Part}})
		add(m.(Cubes).Trains()+1, a.Count-1, a.Part)
	case AddArgs:
		add(a.Train, a.Count, a.Part)
	default:
		return pieces.Split(m, mv)
	}
	return out
}

func moves() []board.MoveSpec {
	on := kit.Sample
	counts := func(kind board.LawKind, n int) (board.Law, error) {
		return board.Law{Kind: kind, Value: place.Int(max(0, n))}, nil
	}
	list := []board.MoveSpec{
		pieces.Move("build",
			"Put so many cubes on the board, in place of those there: one train (9), a train of parts (5 + 4), or towers and "+
				"a train (23).", board.Sets, buildLaw, Cubes.build, on, NumberArgs{"6 + 3"}),
		pieces.Move("place", "Lay a new train.", board.Adds,
			func(_ Cubes, a TrainArgs) (board.Law, error) {
				return counts(board.Adds, a.Count)
			}, Cubes.putDown, on, TrainArgs{Count: 4}),
		pieces.Move("add", "Put cubes on the end of a train.", board.Adds,
			func(_ Cubes, a AddArgs) (board.Law, error) { return counts(board.Adds, a.Count) }, Cubes.add, on, AddArgs{Train: 2,
				Count: 2}),
		pieces.Move("snap", "Snap a train between two cubes, at a chosen place or at random.", board.Keeps, nil,
			Cubes.snap, on, SnapArgs{Train: 1, After: 5}),
		pieces.Move("join", "Join a train to the end of another.", board.Keeps, nil, Cubes.join, on, JoinArgs{1, 2}),
		board.Rule[Cubes, ColourArgs]{
			Kind: "colour", Doc: "Colour cubes, so that parts are told apart.", Laws: []board.LawKind{board.Looks},
			Apply: Cubes.colour,
			Saved: func(c Cubes, a ColourArgs) (ColourArgs, error) {
				sels, err := kit.Saved(c.List, a.Pieces)
				a.Pieces = sels
				return a, err
			}, Board: on, Example: ColourArgs{[]board.Select{{Count: 3}}, 2},
		}.Spec(),
		pieces.Move("colourTrains", "Give each train a colour of its own.", board.Looks, nil, Cubes.colourTrains, on,
			board.NoArgs{}),
		pieces.Move("largerFirst", "Bring the longest train to the top, to count on from it.", board.Keeps, nil,
			Cubes.largerFirst, "cubes 3 5", board.NoArgs{}),
		pieces.Move("tower", "Ten cubes of a train become a tower of ten.", board.Keeps, nil, Cubes.tower, "cubes 13",
			OneTrainArgs{1}),
		pieces.Move("open", "A tower becomes a train of ten cubes.", board.Keeps, nil, Cubes.open, "cubes 2T 4",
			board.NoArgs{}),
		pieces.Move("tidy", "Rings, marks and copies are put away.", board.Keeps, nil, Cubes.tidy, on, board.NoArgs{},
			board.Move{Kind: "ring", Args: pieces.RingArgs{Pieces: []board.Select{{Count: 3}}}}),
		pieces.Move("clear", "Put all cubes away.", board.Sets,
			func(Cubes, board.NoArgs) (board.Law, error) { return counts(board.Sets, 0) }, Cubes.clear, on, board.NoArgs{}),
	}
	return append(list, kit.Standing()...)
}

// offers are the verbs of a selection, in the order of their use. One cube of a
// train offers the snap after it.
func offers(m board.Model, ids []board.PieceID) []board.Offer {
	c := m.(Cubes)
	found, err := kit.FindAll(c.List, []board.Select{{IDs: ids}})
	if err != nil || len(found) == 0 {
		return nil
	}
	var list []board.Offer
	last := found[len(found)-1]
	if linked(last) {
		train := c.trains()[last.Group-1]
		at := slices.IndexFunc(train, func(k pieces.Piece) bool { return k.ID == last.ID }) + 1
		if at < len(train) {
			list = append(list, pieces.Offer("snap", SnapArgs{Train: int(last.Group), After: at}))
		}
		if len(train) >= 10 {
			list = append(list, pieces.Offer("tower", OneTrainArgs{int(last.Group)}))
		}
	}
	sel := []board.Select{{IDs: ids}}
	for part := 1; part <= MaxPart; part++ {
		list = append(list, pieces.Offer("colour", ColourArgs{sel, part}, say.Int("n", say.Given, part)))
	}
	return append(list, kit.Offers(ids)...)
}

// parts are the parts in the order they lie: the towers and the trains, or the
// colours of the one train.
func parts(m board.Model) []place.Number {
	c := m.(Cubes)
	var out []place.Number
	add := func(list []pieces.Piece) {
		if v, err := pieces.InPlay(list).Total(); err == nil && !v.IsZero() {
			out = append(out, v)
		}
	}
	var towers []pieces.Piece
	for _, k := range c.List {
		if k.Place == place.Tens {
			towers = append(towers, k)
		}
	}
	add(towers)
	trains := c.trains()
	if len(trains) == 1 && len(out) == 0 {
		for _, run := range colourRuns(trains[0]) {
			add(run)
		}
		return out
	}
	for _, t := range trains {
		add(t)
	}
	return out
}

// follow shows a linked number with more or fewer towers and cubes; cubes come
// to the last train and go from it.
func follow(m board.Model, form place.UnitForm, t *board.Tx) (board.Model, error) {
	c := m.(Cubes)
	list, err := kit.FollowList(c.List, form, kit.Most, t)
	if err != nil {
		return c, err
	}
	trains := c.trains()
	if n := len(trains); n > 0 {
		room := MaxTrain - len(trains[n-1])
		list = pieces.Each(list, func(k *pieces.Piece) {
			if linked(*k) && k.Group == 0 && room > 0 {
				k.Group = int8(n)
				room--
			}
		})
	}
	next := c.with(list)
	if len(next.trains()) > MaxTrains {
		return c, say.Refuse("train-long", say.Int("n", say.Given, form.Of(place.Ones)), say.Int("most", say.Given, MaxTrain))
	}
	return next, nil
}

func counting(m board.Model) []board.Counted {
	list := pieces.Each(m.(Cubes).List, func(k *pieces.Piece) { k.Part = k.Group })
	return pieces.Counting(m, list, pieces.OwnValue)
}

// readOuts are what the cubes say beside their number.
func readOuts(m board.Model, w say.Vocabulary, _ []board.Covering) []board.ReadOut {
	c := m.(Cubes)
	total := board.Total(c)
	var texts []string
	if p := parts(c); len(p) == 2 {
		texts = sentences(p[0], p[1], total)
	} else if len(p) > 2 {
		var list []string
		for _, v := range p {
			list = append(list, v.String())
		}
		texts = []string{strings.Join(list, " + ") + " = " + total.String()}
	}
	text := "–"
	if texts != nil {
		text = strings.Join(texts, "; ")
	}
	n, _ := total.Whole()
	return []board.ReadOut{
		{ID: "sentences", Label: say.New("label.sentences").Text(w), Text: text},
		{ID: "tenOnes", Label: say.New("label.tenOnes").Text(w), Text: tenOnes(n)},
	}
}

// sentences are the facts of a bond of two parts, each once.
func sentences(a, b, whole place.Number) []string {
	list := []string{
		fmt.Sprintf("%s + %s = %s", a, b, whole), fmt.Sprintf("%s + %s = %s", b, a, whole),
		fmt.Sprintf("%s − %s = %s", whole, a, b), fmt.Sprintf("%s − %s = %s", whole, b, a),
	}
	var out []string
	for _, s := range list {
		if !slices.Contains(out, s) {
			out = append(out, s)
		}
	}
	return out
}

// tenOnes is a number as tens and ones: 13 = 10 + 3.
func tenOnes(n int) string {
	if n < 10 {
		return "–"
	}
	return fmt.Sprintf("%d = %d + %d", n, n/10*10, n%10)
}
