// Package pieces holds what the models of loose pieces have in common: counters,
// cubes, blocks and discs. A piece has a place, a state and an addend; moves
// select pieces by place, state and slot; ten of a place are bundled into one
// of the next, and a piece is unbundled into ten of the one before.
package pieces

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// State says where a piece is.
type State uint8

// A piece is in play unless it is crossed out, taken, spent (bundled into
// another and left as a trace, so that nobody counts it twice) or a copy that
// is only looked at.
const (
	Play State = iota
	Crossed
	Taken
	Spent
	Copy
)

var stateNames = []string{"play", "crossed", "taken", "spent", "copy"}

// Piece is one piece of any model.
type Piece struct {
	ID    board.PieceID
	X, Y  int32 // where it lies freely, when Loose
	Place place.Place
	State State
	Part  int8 // the addend or colour it belongs to, 0 for none
	Group int8 // the group or train it is in, 0 for none
	Cell  int16
	Frame int8 // the frame whose cell it lies in, from 1; 0 for none
	Mint  bool // the other face of a counter
	New   bool // made and not yet counted
	Ring  int8 // the ring it stands in, from 1; 0 for none
	Loose bool
	Start bool // a copy in the row that shows what a shift began with
	// Turned is whether a block lies on its side.
	Turned bool
	// Opened is whether a trace is that of a piece that was opened.
	Opened bool
}

// Marks are what is to be seen on the piece beside its look.
func (p *Piece) Marks() board.Marks {
	m := [...]board.Marks{0, board.MarkCrossed, board.MarkTaken, board.MarkSpent, board.MarkCopy}[p.State]
	if p.New {
		m |= board.MarkNew
	}
	if p.Mint {
		m |= board.MarkAlternate
	}
	return m | board.Ringed(p.Ring)
}

// Rules are what differs between the models.
type Rules struct {
	Noun        string // one piece in a sentence: "block"
	Least, Most place.Place
	// Laid is the largest place that amounts are laid in by themselves, Most when it is
	// ones; further ones are there when they are named, made by a bundle, or shown.
	Laid  place.Place
	Parts int // addends or colours told apart
}

// Has reports whether the model has pieces of the place.
func (r Rules) Has(p place.Place) bool { return p >= r.Least && p <= r.Most }

// NoPiece is the refusal of a place that the model has no pieces for.
func (r Rules) NoPiece(p place.Place) error {
	return say.Refuse("no-piece", say.Text("noun", say.Name, r.Noun), say.PlaceName("place", p),
		say.PlaceName("least", r.Least), say.PlaceName("most", r.Most))
}

// Many makes n new pieces of a place.
func Many(p place.Place, n, part int, first board.PieceID) []Piece {
	out := make([]Piece, n)
	for i := range out {
		out[i] = Piece{ID: first + board.PieceID(i), Place: p, Part: int8(part)}
	}
	return out
}

// Insert puts pieces after the last of their place, largest place first. The
// input is not altered.
func Insert(list []Piece, added ...Piece) []Piece {
	slices.SortStableFunc(added, func(x, y Piece) int { return int(y.Place) - int(x.Place) })
	out := make([]Piece, 0, len(list)+len(added))
	rest := list
	for _, k := range added {
		n := 0
		for n < len(rest) && rest[n].Place >= k.Place {
			n++
		}
		out = append(append(out, rest[:n]...), k)
		rest = rest[n:]
	}
	return append(out, rest...)
}

// Without is the list less the pieces with these ids.
func Without(list []Piece, ids []board.PieceID) []Piece {
	gone := idSet(ids)
	out := make([]Piece, 0, len(list))
	for _, k := range list {
		if !gone.has(k.ID) {
			out = append(out, k)
		}
	}
	return out
}

// Change is the list with f applied to the pieces with these ids.
func Change(list []Piece, ids []board.PieceID, f func(*Piece)) []Piece {
	hit := idSet(ids)
	return Each(list, func(k *Piece) {
		if hit.has(k.ID) {
			f(k)
		}
	})
}

// Each is a copy of the list with f applied to every piece.
func Each(list []Piece, f func(*Piece)) []Piece {
	list = slices.Clone(list)
	for i := range list {
		f(&list[i])
	}
	return list
}

// set is some ids. A few are looked through; many have a table.
type set struct {
	few  []board.PieceID
	many map[board.PieceID]bool
}

func idSet(ids []board.PieceID) set {
	if len(ids) <= 16 {
		return set{few: ids}
	}
	many := make(map[board.PieceID]bool, len(ids))
	for _, id := range ids {
		many[id] = true
	}
	return set{many: many}
}

func (s set) has(id board.PieceID) bool {
	if s.many != nil {
		return s.many[id]
	}
	return slices.Contains(s.few, id)
}

// IDs are the ids of pieces, in order.
func IDs(list []Piece) []board.PieceID {
	ids := make([]board.PieceID, len(list))
	for i, k := range list {
		ids[i] = k.ID
	}
	return ids
}

// AnyPart is every addend, and none.
const AnyPart = -1

// Tally counts the pieces of a state and an addend by place, in one pass: a
// board may hold thousands, and each move asks several times.
type Tally [place.Largest - place.Smallest + 1]int

// Of is the count at a place.
func (t Tally) Of(p place.Place) int { return t[p-place.Smallest] }

// Count tallies a list.
func Count(list []Piece, state State, part int8) (t Tally) {
	for i := range list {
		if k := &list[i]; k.State == state && (part == AnyPart || k.Part == part) {
			t[k.Place-place.Smallest]++
		}
	}
	return t
}

// InPlay is the pieces in play as they lie.
func InPlay(list []Piece) place.UnitForm {
	t := Count(list, Play, AnyPart)
	return place.FromCounts(func(p place.Place) int { return t.Of(p) })
}

// FormOf is the unit form of some pieces, whatever their state.
func FormOf(list []Piece) place.UnitForm {
	var t Tally
	for _, k := range list {
		t[k.Place-place.Smallest]++
	}
	return place.FromCounts(func(p place.Place) int { return t.Of(p) })
}

// Worth is the value of some pieces as a numeral, whatever their state; nothing beyond the
// largest number.
func Worth(list []Piece) string {
	v, err := FormOf(list).Total()
	if err != nil {
		return ""
	}
	return v.String()
}

// Tray is the zone of what was taken of a list, without its place: it says what that is worth.
func Tray(list []Piece) (zone board.Zone, taken []Piece) {
	for i := range list {
		if list[i].State == Taken {
			taken = append(taken, list[i])
		}
	}
	return board.Zone{ID: board.TakenZone, Label: board.TakenZone, Count: len(taken), Text: Worth(taken)}, taken
}

// Parts are the values of the addends in play, for the bond: those of the
// parts from 1 up, then of what belongs to none.
func Parts(list []Piece) []place.Number {
	var byPart [16]Tally
	most := int8(0)
	for i := range list {
		if k := &list[i]; k.State == Play {
			byPart[k.Part][k.Place-place.Smallest]++
			most = max(most, k.Part)
		}
	}
	if most == 0 {
		return nil // one part at most: the whole
	}
	var out []place.Number
	for i := 1; i <= len(byPart); i++ {
		t := byPart[i%len(byPart)]
		if form := place.FromCounts(t.Of); len(form) > 0 {
			if v, err := form.Total(); err == nil {
				out = append(out, v)
			}
		}
	}
	return out
}

// Addends tell what lies apart at a place, as a sum: "4 + 8", and of more than three "6 × 4" where
// they are alike, or "6 + …"; what is new and of none of them comes last: "6 × 4 + 2". What they make is not told
// before they lie together. Empty where there are not two.
func Addends(list []Piece, p place.Place) string {
	var byPart [16]int
	for i := range list {
		if k := &list[i]; k.State == Play && k.Place == p {
			byPart[k.Part]++
		}
	}
	var counts []string
	for _, n := range byPart[1:] {
		if n > 0 {
			counts = append(counts, strconv.Itoa(n))
		}
	}
	if len(counts) > 3 && len(slices.Compact(slices.Clone(counts))) == 1 {
		counts = []string{counts[0] + " × " + strconv.Itoa(len(counts))}
		if byPart[0] == 0 {
			return counts[0]
		}
	}
	if byPart[0] > 0 {
		counts = append(counts, strconv.Itoa(byPart[0]))
	}
	switch {
	case len(counts) < 2:
		return ""
	case len(counts) > 3:
		counts = []string{counts[0], "…"}
	}
	return strings.Join(counts, " + ")
}

// CommonPart is the addend of all the pieces, or none.
func CommonPart(list []Piece) int8 {
	for _, k := range list {
		if k.Part != list[0].Part {
			return 0
		}
	}
	return list[0].Part
}
