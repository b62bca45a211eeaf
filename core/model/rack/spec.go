package rack

import (
	"fmt"
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Spec is the registry's line for the rack.
func Spec() board.ModelSpec {
	return board.ModelSpec{
		Kind:    "rack",
		Title:   "Bead rack",
		Empties: "home",
		Noun:    "rack",
		Names:   []string{"beads", "bead rack", "number rack"},
		Doc:     "One to ten rows of ten beads, five and five in two colours; the left side is read.",
		New: func(ids *board.IDs) board.Model {
			return Rack{Left: make([]int, 2), first: ids.Take(2 * Beads)}
		},
		Most:      MaxRows * Beads,
		Empty:     func(most int) string { return fmt.Sprintf("rack %d: 0", max(2, (most+Beads-1)/Beads)) },
		Lay:       lay,
		Split:     split,
		Acts:      board.Acts{Build: build, Step: step, Slide: slide},
		Ring:      ringSlots,
		Check:     func(m board.Model) error { return m.(Rack).ringsCheck() },
		Decode:    decode,
		Shape:     Shape{},
		Layout:    layout,
		ReadOuts:  readOuts,
		Parts:     parts,
		Follow:    follow,
		Counting:  counting,
		Find:      func(board.Model, board.Select) []board.PieceID { return nil },
		Parse:     parseNotation,
		Print:     printNotation,
		Canonical: canonical,
		Examples:  []string{"rack 1: 0", "rack 2: 6 8", "rack 10: 10 10 10 10 2 0 0 0 0 0"},
		Moves: []board.MoveSpec{
			board.Rule[Rack, SlideArgs]{
				Kind: "slide", Doc: "Push beads of one row or several in one push.",
				Laws: []board.LawKind{board.Adds, board.Takes}, Law: slideLaw, Apply: Rack.slide,
				Board: "rack 2: 6 8", Example: SlideArgs{[]Push{{1, 10}, {2, 10}}},
			}.Spec(),
			board.Rule[Rack, NumberArgs]{
				Kind: "build", Doc: "Show a number in the fewest pushes, rows filled from the top.",
				Laws: []board.LawKind{board.Sets}, Law: buildLaw, Apply: Rack.build,
				Board: "rack 10: 3", Example: NumberArgs{Amount: "42"},
			}.Spec(),
			board.Rule[Rack, NumberArgs]{
				Kind: "more", Doc: "Add a number as in the head: whole rows for the tens, then the ones; each push is seen.",
				Laws: []board.LawKind{board.Adds}, Law: changeLaw(board.Adds), Apply: Rack.more,
				Board: "rack 10: 10 10 10 10 2", Example: NumberArgs{Amount: "29"},
			}.Spec(),
			board.Rule[Rack, NumberArgs]{
				Kind: "less", Doc: "Take a number away as in the head: whole rows for the tens, then the ones; each push is seen.",
				Laws: []board.LawKind{board.Takes}, Law: changeLaw(board.Takes), Apply: Rack.less,
				Board: "rack 10: 10 10 10 10 2", Example: NumberArgs{Amount: "15"},
			}.Spec(),
			board.Rule[Rack, board.NoArgs]{
				Kind: "home", Doc: "Push all beads home and count pushes afresh.",
				Laws:  []board.LawKind{board.Sets},
				Law:   func(Rack, board.NoArgs) (board.Law, error) { return board.Law{Kind: board.Sets}, nil },
				Apply: Rack.home, Board: "rack 2: 6 8",
			}.Spec(),
			board.Rule[Rack, RowsArgs]{
				Kind: "rows", Doc: "Change the number of rows. A row with beads on the reading side does not go.",
				Laws: []board.LawKind{board.Keeps}, Apply: Rack.rows,
				Board: "rack 2: 6 0", Example: RowsArgs{5},
			}.Spec(),
			board.Rule[Rack, RingArgs]{
				Kind: "ring", Doc: "Ring beads that are read; rings drawn before go, unless this one stands beside them. A push " +
					"takes all rings off.",
				Laws: []board.LawKind{board.Looks}, Apply: Rack.ring,
				Board: "rack 2: 6 8", Example: RingArgs{Beads: []Span{{1, 1, 5}, {2, 1, 5}}},
			}.Spec(),
		},
	}
}

// Model units: a bead is 28 wide on a row 40 high. The gap between the sides is
// wider than ten beads, so that no bead at home lies where beads are read.
const (
	bead   = 28
	row    = 40
	space  = Beads*bead + 24
	fiveG  = 3 // a hair between the two fives
	length = Beads*bead + fiveG + space
	rim    = 6 // how far the wires reach beyond the last beads
)

func layout(m board.Model, _ board.Room) board.Layout {
	r := m.(Rack)
	l := board.Layout{W: length, H: row * len(r.Left)}
	for i, left := range r.Left {
		y := i * row
		name := "row " + strconv.Itoa(i+1)
		edge := left*bead + left/6*fiveG + space/2
		l.Decor = append(l.Decor, board.Decor{Kind: "wire", X: -rim, Y: y + row/2, W: length + 2*rim})
		l.Zones = append(l.Zones,
			board.Zone{ID: name, Label: name, Count: left, Y: y, W: length, H: row},
			board.Zone{ID: name + " left", Count: left, Y: y, W: edge, H: row, Side: true},
			board.Zone{ID: name + " right", Count: Beads - left, X: edge, Y: y, W: length - edge, H: row, Side: true})
		for k := range Beads {
			l.Pieces = append(l.Pieces, r.sprite(i, k, left))
		}
	}
	return l
}

// beadX is the left edge of bead k of a row with so many beads at the left.
func beadX(k, left int) int {
	x := k*bead + k/5*fiveG
	if k >= left {
		x += space
	}
	return x
}

func (r Rack) sprite(i, k, left int) board.Sprite {
	x := beadX(k, left)
	s := board.Sprite{
		ID: r.first + board.PieceID(i*Beads+k), Drawing: "bead",
		Part: numbered(k+1, k < left), X: int32(x), Y: int32(i*row + (row-bead)/2), W: bead, H: bead,
		Zone: "row " + strconv.Itoa(i+1),
	}
	// Rows six to ten swap the colours, so that fifty is seen.
	if (k >= 5) != (i >= 5) {
		s.Marks = board.MarkAlternate
	}
	s.Marks |= board.Ringed(r.ringOf(i, k))
	return s
}

// numbered is a bead's own number in its row, from 1 at the left: below 0 when it is
// at home. A hand that pushes bead 7 brings seven beads along, or leaves six.
func numbered(bead int, read bool) int8 {
	if read {
		return int8(bead)
	}
	return int8(-bead)
}

// readOuts are what the rack says beside its number.
func readOuts(m board.Model, w say.Vocabulary, covers []board.Covering) []board.ReadOut {
	r := m.(Rack)
	label := func(id string) string { return say.New("label." + id).Text(w) }
	var addends []string
	fives, ones := 0, 0
	for _, left := range r.Left {
		if left > 0 {
			addends = append(addends, strconv.Itoa(left))
		}
		fives, ones = fives+left/5, ones+left%5
	}
	sentence := strings.Join(addends, " + ")
	if len(addends) > 1 {
		sentence += " = " + strconv.Itoa(r.total())
	}
	return []board.ReadOut{
		{ID: "rows", Label: label("rows"), Text: orDash(sentence)},
		{ID: "missing", Label: label("missing"), Text: orDash(strings.Join(r.rowSentences(w, covers), "; ")), Safe: true},
		{ID: "fives", Label: label("fives"), Text: r.fivesText(w, fives, ones)},
		{ID: "toFill", Label: label("toFill"), Text: r.toFill(w)},
		{ID: "pushes", Label: label("pushes"), Text: strconv.Itoa(r.Pushes)},
	}
}

// fivesText is fives and ones: 9 = 5 + 4 for one row, else how many of each.
func (r Rack) fivesText(w say.Vocabulary, fives, ones int) string {
	if n := r.total(); n > 5 && n < Beads {
		return fmt.Sprintf("%d = 5 + %d", n, n-5)
	}
	return say.New("rack.fives", say.Int("fives", say.Amount, fives),
		say.Pieces("ones", say.Amount, ones, place.Ones)).Text(w)
}

// toFill is what is missing to ten, to twenty and to the full rack.
func (r Rack) toFill(w say.Vocabulary) string {
	n := r.total()
	var out []string
	for _, goal := range []int{10, 20, r.Pieces()} {
		if n < goal && goal <= r.Pieces() && !slices.ContainsFunc(out,
			func(s string) bool { return strings.HasSuffix(s, " "+strconv.Itoa(goal)) }) {
			out = append(out, say.New("rack.toFill", say.Int("more", say.Amount, goal-n),
				say.Int("goal", say.Given, goal)).Text(w))
		}
	}
	return orDash(strings.Join(out, "; "))
}

func orDash(s string) string {
	if s == "" {
		return "–"
	}
	return s
}

func build(amount string) board.Move {
	return board.Move{Kind: "build", Args: NumberArgs{Amount: amount}}
}

func step(by int, down bool) board.Move {
	kind := "more"
	if down {
		kind = "less"
	}
	return board.Move{Kind: kind, Args: NumberArgs{Amount: strconv.Itoa(by)}}
}

func slide(rows ...board.Row) board.Move {
	args := SlideArgs{}
	for _, r := range rows {
		args.Rows = append(args.Rows, Push{Row: r.Row, To: r.To})
	}
	return board.Move{Kind: "slide", Args: args}
}

// split are the pushes of one bead that a push is made of, and the whole rows and
// single beads that a number is added by.
func split(m board.Model, mv board.Move) (out []board.Move) {
	switch a := mv.Args.(type) {
	case SlideArgs:
		for _, p := range a.Rows {
			for left := m.(Rack).Left[p.Row-1]; left != p.To; {
				if left < p.To {
					left++
				} else {
					left--
				}
				out = append(out, slide(board.Row{Row: p.Row, To: left}))
			}
		}
	case NumberArgs:
		n, err := place.Parse(a.Amount)
		if mv.Kind != "more" || err != nil {
			return nil
		}
		for _, c := range n.UnitForm() {
			for range c.Count {
				out = append(out, lay(1, c.Place, 0)...)
			}
		}
	}
	return out
}

// lay adds so many of a place as in the head.
func lay(count int, p place.Place, _ int) []board.Move {
	value, _ := place.Count{Place: p, Count: count}.Value()
	return []board.Move{{Kind: "more", Args: NumberArgs{Amount: value.String()}}}
}

// ringSlots rings beads that are read, row by row.
func ringSlots(m board.Model, slots []int, beside bool) board.Move {
	left := m.(Rack).Left
	var spans []Span
	for _, slot := range slots {
		row := 0
		for slot >= left[row] {
			slot -= left[row]
			row++
		}
		if n := len(spans); n > 0 && spans[n-1].Row == row+1 && spans[n-1].To == slot {
			spans[n-1].To++
			continue
		}
		spans = append(spans, Span{Row: row + 1, From: slot + 1, To: slot + 1})
	}
	return board.Move{Kind: "ring", Args: RingArgs{Beads: spans, Beside: beside}}
}
