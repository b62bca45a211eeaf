// A child's way that is taken in while the board is looked at: told in words, or shown
// by drawing round pieces. It is found in what lies there, or refused.

package method

import (
	"cmp"
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Way is a child's way of seeing what lies on a model.
type Way struct {
	Seen
	// Total is the number that lies there, Sum the way as it is written.
	Total int
	Sum   string
	// Rings are the pieces of each part.
	Rings [][]board.PieceID
}

// TakeIn finds a way on a model: the parts that were told, or those that were drawn
// round, with what was left outside as one more. Where both are given they must agree.
func TakeIn(b board.Board, model int, text string, drawn [][]board.PieceID) (Way, error) {
	if b.IsCovered(model) {
		return Way{}, say.Refuse("covered")
	}
	there, err := countedOnes(b.Models[model])
	if err != nil {
		return Way{}, err
	}
	rings := drawnRound(there, drawn)
	if strings.TrimSpace(text) == "" {
		if len(rings) < 2 {
			return Way{}, say.Refuse("seen-nothing")
		}
		text = sizes(rings)
	}
	seen, err := ReadSeen(text)
	if err != nil {
		return Way{}, err
	}
	way := Way{Seen: seen, Total: len(there), Sum: seen.Sum(true), Rings: rings}
	parts, texts := seen.Split(false)
	switch {
	case len(texts) < 2 && seen.less == 0 || slices.Contains(parts, 0) || len(parts) > board.MaxRings:
		return Way{}, say.Refuse("seen-parts", say.Text("text", say.Given, text))
	case seen.Total() != len(there):
		return Way{}, say.Refuse("seen-total", say.Text("text", say.Given, text), given("n", seen.Total()),
			given("total", len(there)))
	case len(rings) == 0:
		way.Rings = seen.in(sightsOn(b.Lay(model), there))
	case !seen.Alike(partsOf(rings)):
		return Way{}, say.Refuse("seen-rings", say.Text("text", say.Given, text), say.Text("rings", say.Given, sizes(rings)))
	}
	return way, nil
}

// Branches are the parts of the way as they are written, for a bond; none where something
// was taken away again.
func (w Way) Branches() []string {
	if w.less > 0 {
		return []string{}
	}
	_, texts := w.Split(true)
	return texts
}

// countedOnes are the pieces in play, which must count one each.
func countedOnes(m board.Model) ([]board.PieceID, error) {
	spec, _ := board.SpecOf(m.Kind())
	var ids []board.PieceID
	for i, c := range spec.Counting(m) {
		if c.Upto != place.Int(i+1) {
			return nil, say.Refuse("seen-ones")
		}
		ids = append(ids, c.ID)
	}
	if len(ids) == 0 {
		return nil, say.Refuse("nothing-to-count")
	}
	return ids, nil
}

// drawnRound are the pieces of each line drawn, each piece in the last that holds it, and
// those that are in none; nothing where nothing was drawn.
func drawnRound(there []board.PieceID, drawn [][]board.PieceID) [][]board.PieceID {
	rings := make([][]board.PieceID, len(drawn)+1)
	for _, id := range there {
		at := len(drawn)
		for i, ring := range drawn {
			if slices.Contains(ring, id) {
				at = i
			}
		}
		rings[at] = append(rings[at], id)
	}
	rings = slices.DeleteFunc(rings, func(r []board.PieceID) bool { return len(r) == 0 })
	if len(drawn) == 0 {
		return nil
	}
	return rings
}

func sizes(rings [][]board.PieceID) string {
	texts := make([]string, len(rings))
	for i, r := range rings {
		texts[i] = strconv.Itoa(len(r))
	}
	return strings.Join(texts, " + ")
}

func partsOf(rings [][]board.PieceID) Seen {
	var s Seen
	for _, r := range rings {
		s.parts = append(s.parts, seenPart{1, len(r)})
	}
	return s
}

// in finds the parts of the way in one of the sights, as many of them as can be whole
// runs of what stands together.
func (s Seen) in(sights []onSight) [][]board.PieceID {
	parts, _ := s.Split(false)
	var best [][]board.PieceID
	most := -1
	for _, look := range sights {
		slots, whole := allot(look.runs, parts)
		if whole <= most {
			continue
		}
		most, best = whole, make([][]board.PieceID, len(slots))
		for i, part := range slots {
			for _, slot := range part {
				best[i] = append(best[i], look.ids[slot])
			}
		}
	}
	return best
}

// onSight is pieces in an order in which the eye can take them in, and how many stand
// together each time.
type onSight struct {
	ids  []board.PieceID
	runs []int
}

// fiveAtAGlance is how many pieces of a line stand together at most for the eye.
const fiveAtAGlance = 5

// sightsOn are the ways in which pieces stand together as they are laid out: by colour,
// by rows or groups, by lines, and by lines parted after five.
func sightsOn(l board.Layout, there []board.PieceID) []onSight {
	var pieces []board.Sprite
	for _, p := range l.Pieces {
		if slices.Contains(there, p.ID) {
			pieces = append(pieces, p)
		}
	}
	colour := func(p board.Sprite) string { return strconv.Itoa(int(p.Marks&board.MarkAlternate)) + p.Drawing }
	line := func(p board.Sprite) string { return p.Zone + " " + strconv.Itoa(int(p.Y)) }
	return []onSight{
		runsBy(pieces, len(there), func(p board.Sprite) string { return p.Zone }),
		runsBy(pieces, len(there), line),
		runsBy(pieces, len(there), func(p board.Sprite) string { return p.Zone + colour(p) }),
		runsBy(pieces, len(there), colour),
		runsBy(pieces, fiveAtAGlance, line),
		runsBy(pieces, fiveAtAGlance, func(p board.Sprite) string { return line(p) + colour(p) }),
	}
}

// runsBy puts pieces that are alike together, in the order in which they are read, and
// parts them after so many.
func runsBy(pieces []board.Sprite, most int, key func(board.Sprite) string) onSight {
	inOrder := slices.Clone(pieces)
	slices.SortStableFunc(inOrder, func(a, b board.Sprite) int {
		return cmp.Or(cmp.Compare(a.Y, b.Y),
			cmp.Compare(a.X, b.X))
	})
	first := map[string]int{}
	for i, p := range inOrder {
		if _, seen := first[key(p)]; !seen {
			first[key(p)] = i
		}
	}
	slices.SortStableFunc(inOrder, func(a, b board.Sprite) int { return first[key(a)] - first[key(b)] })
	var s onSight
	for i, p := range inOrder {
		s.ids = append(s.ids, p.ID)
		if last := len(s.runs) - 1; last >= 0 && key(inOrder[i-1]) == key(p) && s.runs[last] < most {
			s.runs[last]++
		} else {
			s.runs = append(s.runs, 1)
		}
	}
	return s
}
