// What the methods that work by columns share.

package method

import (
	"unitbloom/core/board"
	"unitbloom/core/model/blocks"
	"unitbloom/core/model/pieces"
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

// startBlocks is a board of blocks with columns up to a place, and more when
// they are needed.
func startBlocks(top place.Place, sketch bool) board.Board {
	return board.Board{Models: []board.Model{blocks.Blocks{UpTo: top, Sketch: sketch}}, Tiles: []board.Tile{{}}}
}

// partly is a selector of one addend of a place.
func partly(p place.Place, part int) board.Select {
	return board.Select{Place: p, Part: &part, State: "any"}
}

// joinMove puts the addends of a place together.
func joinMove(p place.Place) board.Move {
	return board.Move{Kind: "join", Args: pieces.PlaceArgs{Place: p}}
}
