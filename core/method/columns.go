// What the methods that work by columns share.

package method

import (
	"unitbloom/core/board"
	"unitbloom/core/place"
)

// columnNumbers reads the numbers of a column method and the smallest place
// that they need.
func columnNumbers(r Request, least, most int) ([]place.Number, place.Place, error) {
	var ns []place.Number
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
		ns = append(ns, w.Number)
		for p := place.Smallest; p < low; p++ {
			if w.Digit(p) != 0 {
				low = p
			}
		}
	}
	if len(ns) < least || len(ns) > most {
		return nil, low, needs(r)
	}
	return ns, low, nil
}

func whole(p place.Place) int { n, _ := p.Value().Whole(); return n }

// partly is a selector of one addend of a place.
func partly(p place.Place, part int) board.Select {
	return board.Select{Place: p, Part: &part, State: "any"}
}
