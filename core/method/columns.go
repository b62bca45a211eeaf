// What the methods that work by columns share.

package method

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// columnNumbers reads the numbers of a column method and the smallest place
// that they need.
func columnNumbers(r Request, least, most int) ([]place.Written, place.Place, error) {
	var ns []place.Written
	low := place.Ones
	for _, a := range r.Args {
		if isSign(a) {
			continue
		}
		w, err := place.Parse(a)
		if err != nil {
			return nil, low, badNumber(err)
		}
		if err := fitsModel(r.Model, w.Number); err != nil {
			return nil, low, err
		}
		ns = append(ns, w)
		low = min(low, lowestWritten(w))
	}
	if len(ns) < least || len(ns) > most {
		return nil, low, needs(r)
	}
	return ns, low, nil
}

// numbersOf are written numbers without their form.
func numbersOf(written []place.Written) []place.Number {
	out := make([]place.Number, len(written))
	for i, w := range written {
		out[i] = w.Number
	}
	return out
}

func whole(p place.Place) int { n, _ := p.Value().Whole(); return n }

// partly is a selector of one addend of a place.
func partly(p place.Place, part int) board.Select {
	return board.Select{Place: p, Part: &part, State: "any"}
}

// regroup is the step in which every ten of a place become one of the next: the digit
// that stays is written, and the mark with the pieces that it stands for.
func regroup(p place.Place, count int, stands []board.Select) lesson.Step {
	tens, left, next := count/10, count%10, p+1
	id := "columnAdd.regroup.answer"
	switch {
	case tens > 1 && left == 0:
		id = "columnAdd.regroup.many.none"
	case tens > 1:
		id = "columnAdd.regroup.many"
	case left == 0:
		id = "columnAdd.regroup.all"
	}
	s := lesson.Step{
		Say:    line("columnAdd.full", say.Pieces("all", say.Given, count, p)),
		Ask:    line("columnAdd.regroup", say.PlaceName("place", p)),
		Answer: line(id, say.PlaceName("place", p), say.PlaceName("next", next), given("tens", tens), given("left", left)),
		Look:   line("look.new", say.PlaceName("next", next)),
		Write: []lesson.Write{digitCell("sum", p, left, board.Select{Place: p}),
			{Kind: "cell", Row: "mark", Place: &next, Text: strconv.Itoa(tens), Stands: stands}},
	}
	for range tens {
		s.Moves = append(s.Moves, board.Move{Kind: "bundle", Args: pieces.BundleArgs{Place: p, Trace: true}})
	}
	return s
}

// newPieces are those of a place that no addend brought.
func newPieces(p place.Place) []board.Select { return []board.Select{partly(p, 0)} }

// filled is what is said of numbers that are written, and of those that get zeros at their end, for others
// go to a smaller place.
func filled(said say.Line, low place.Place, numbers ...place.Written) say.Line {
	for _, n := range numbers {
		if long := int(place.Ones - low); n.Decimals < long {
			said.Message = said.Message.And(say.New("column.filled", text("n", n.String()),
				text("written", place.Written{Number: n.Number, Decimals: long}.String())))
		}
	}
	return said
}
