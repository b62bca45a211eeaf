package rack

import (
	"fmt"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/say"
)

// Spec is the registry's line for the rack.
func Spec() board.ModelSpec {
	return board.ModelSpec{
		Kind:  "rack",
		Title: "Bead rack",
		Doc:   "One to ten rows of ten beads, five and five in two colours; the left side is read.",
		New: func(ids *board.IDs) board.Model {
			return Rack{Left: make([]int, 2), first: ids.Take(2 * Beads)}
		},
		Decode:    decode,
		Shape:     Shape{},
		Layout:    layout,
		ReadOuts:  readOuts,
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
				Board: "rack 10: 3", Example: NumberArgs{"42"},
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
)

func layout(m board.Model) board.Layout {
	r := m.(Rack)
	l := board.Layout{W: length, H: row * len(r.Left)}
	for i, left := range r.Left {
		y := i * row
		name := "row " + strconv.Itoa(i+1)
		edge := left*bead + left/6*fiveG + space/2
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
		ID: r.first + board.PieceID(i*Beads+k), Look: "bead",
		X: int32(x), Y: int32(i*row + (row-bead)/2), W: bead, H: bead, Zone: "row " + strconv.Itoa(i+1),
	}
	// Rows six to ten swap the colours, so that fifty is seen.
	if (k >= 5) != (i >= 5) {
		s.Marks = board.MarkAlternate
	}
	return s
}

func readOuts(m board.Model, w say.Words) []board.ReadOut {
	r := m.(Rack)
	label := func(id string) string { return say.New("label." + id).Text(w) }
	var addends, missing []string
	for _, left := range r.Left {
		if left > 0 {
			addends = append(addends, strconv.Itoa(left))
		}
		if left > 0 && left < Beads {
			missing = append(missing, say.New("row.beads", say.Int("n", say.Amount, left), say.Int("missing", say.Part, Beads-left)).Text(w))
		}
	}
	sentence := strings.Join(addends, " + ")
	if len(addends) > 1 {
		sentence += " = " + strconv.Itoa(r.total())
	}
	return []board.ReadOut{
		{ID: "rows", Label: label("rows"), Text: orDash(sentence)},
		{ID: "missing", Label: label("missing"), Text: orDash(strings.Join(missing, "; "))},
		{ID: "pushes", Label: label("pushes"), Text: fmt.Sprint(r.Pushes)},
	}
}

func orDash(s string) string {
	if s == "" {
		return "–"
	}
	return s
}
