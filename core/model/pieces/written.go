package pieces

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/place"
)

// TracesArgs say whether traces are left.
type TracesArgs struct {
	// Whether bundled and opened pieces leave their trace.
	Shown bool `json:"shown"`
}

// TracesName is how a board with or without traces is announced.
func TracesName(shown bool) string {
	if shown {
		return "with traces of what was bundled and opened"
	}
	return "without traces"
}

// leaves reports whether bundled and opened pieces leave their trace on a model.
func leaves(m any) bool {
	l, ok := m.(interface{ LeavesTraces() bool })
	return ok && l.LeavesTraces()
}

// Written is the written column method that follows what a hand does with pieces: of
// addends their digits, the marks of what was bundled, and the sum where a place is done;
// of one number what was opened, what was taken, and what is left. Where nothing leaves a
// trace there is none.
//
// It is read from the pieces alone. A place is together where the addends of it lie
// together.
func Written(m board.Model, list []Piece, together func(place.Place) bool) []board.Cell {
	w := writing{list: list, together: together}
	if !leaves(m) || !w.span() {
		return nil
	}
	for part := int8(1); part <= 4; part++ {
		w.addends = w.addends || w.count(part, w.top, w.low, nil) > 0
	}
	if w.addends {
		w.sum()
	} else {
		w.difference()
	}
	return w.cells
}

type writing struct {
	list     []Piece
	together func(place.Place) bool
	top, low place.Place
	addends  bool
	cells    []board.Cell
}

// span finds the places that hold anything.
func (w *writing) span() bool {
	w.top, w.low = place.Ones, place.Ones
	any := false
	for i := range w.list {
		if k := &w.list[i]; k.State != Copy {
			w.top, w.low, any = max(w.top, k.Place), min(w.low, k.Place), true
		}
	}
	return any
}

// count counts pieces of a part, or of any, from a place down to another.
func (w *writing) count(part int8, from, to place.Place, is func(*Piece) bool) int {
	n := 0
	for i := range w.list {
		k := &w.list[i]
		if k.State == Copy || k.Place > from || k.Place < to || part != AnyPart && k.Part != part {
			continue
		}
		if is == nil || is(k) {
			n++
		}
	}
	return n
}

func (w *writing) at(p place.Place, part int8, is func(*Piece) bool) int {
	return w.count(part, p, p, is)
}

func plays(k *Piece) bool     { return k.State == Play }
func isBundled(k *Piece) bool { return k.State == Spent && !k.Opened }
func isOpened(k *Piece) bool  { return k.State == Spent && k.Opened }
func isAway(k *Piece) bool    { return k.State == Taken || k.State == Crossed }

func (w *writing) cell(row string, p place.Place, n int, stands ...board.Select) {
	w.cells = append(w.cells, board.Cell{Row: row, Place: &p, Text: strconv.Itoa(n), Stands: stands})
}

func (w *writing) sign(sign string) {
	w.cells = append(w.cells, board.Cell{Row: "addend 2", Text: sign})
}

// sum writes addends one under another, what was bundled, and the places that are done.
func (w *writing) sum() {
	rows := 0
	for part := int8(1); part <= 4; part++ {
		digits := func(p place.Place) int { return w.at(p, part, nil) }
		top := w.topOf(digits)
		if w.count(part, w.top, w.low, nil) == 0 {
			continue
		}
		rows++
		for p := top; p >= w.low; p-- {
			at := int(part)
			w.cell("addend "+strconv.Itoa(rows), p, digits(p), board.Select{Place: p, Part: &at, State: "any"})
		}
	}
	if rows > 1 {
		w.sign("+")
	}
	none := 0
	for p := w.low; p <= w.top; p++ {
		if n := w.at(p, 0, nil); n > 0 {
			w.cell("mark", p, n, board.Select{Place: p, Part: &none, State: "any"})
		}
	}
	for p := w.low; p <= w.top && w.isDone(p); p++ {
		w.cell("sum", p, w.at(p, AnyPart, plays), board.Select{Place: p})
	}
}

// isDone tells whether a place has its digit of the sum: no ten is left in it, and it was
// bundled, or brought together, or a larger place was. Where nothing lies but what was made of the
// place before there is nothing to bring together.
func (w *writing) isDone(p place.Place) bool {
	if w.at(p, AnyPart, plays) > 9 {
		return false
	}
	if made := w.at(p, 0, nil); made > 0 && made == w.at(p, AnyPart, nil) {
		return true
	}
	for q := p; q <= w.top; q++ {
		if w.together(q) || w.at(q, AnyPart, isBundled) > 0 {
			return true
		}
	}
	return false
}

// difference writes one number, the counts of places from which and into which something
// was opened, what was taken, and what is left.
func (w *writing) difference() {
	began := func(p place.Place) int {
		return w.at(p, AnyPart, nil) - 10*w.at(p+1, AnyPart, isOpened) - w.at(p-1, AnyPart, isBundled)/10
	}
	for p := w.topOf(began); p >= w.low; p-- {
		w.cell("addend 1", p, began(p), board.Select{Place: p, State: "any"})
	}
	for p := w.top; p >= w.low; p-- {
		if opened := w.at(p, AnyPart, isOpened); opened+w.at(p+1, AnyPart, isOpened) > 0 {
			w.cell("mark", p, w.at(p, AnyPart, nil)-opened, board.Select{Place: p})
		}
	}
	away := func(p place.Place) int { return w.at(p, AnyPart, isAway) }
	if w.count(AnyPart, w.top, w.low, isAway) == 0 {
		return
	}
	w.sign("−")
	for p := w.topOf(away); p >= w.low; p-- {
		w.cell("addend 2", p, away(p), board.Select{Place: p, State: "taken"})
		w.cell("sum", p, w.at(p, AnyPart, plays), board.Select{Place: p})
	}
}

// topOf is the largest place whose digit is not 0, and ones for none.
func (w *writing) topOf(digit func(place.Place) int) place.Place {
	for p := w.top; p > place.Ones; p-- {
		if digit(p) > 0 {
			return p
		}
	}
	return place.Ones
}
