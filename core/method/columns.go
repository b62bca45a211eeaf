// What the methods that work by columns share.

package method

import (
	"unitbloom/core/board"
	"unitbloom/core/place"
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
