package pieces

import (
	"fmt"
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/place"
)

// The notation is one token a place, largest first: "1h 4t 6o". Addends are
// parted by "+" and pieces of no addend follow "&": "1h 4t 6o + 8t 7o & 1t".
// An addend without pieces is "-", no pieces at all "0". Parts of ten have a
// point before their letter: ".t" is tenths. Only what is in play is written.
var letters = map[place.Place]string{
	place.Thousandths: ".th", place.Hundredths: ".h", place.Tenths: ".t",
	place.Ones: "o", place.Tens: "t", place.Hundreds: "h", place.Thousands: "th",
	place.TenThousands: "tth", place.HundredThousands: "hth", place.Millions: "m",
}

// Print writes the pieces in play.
func Print(list []Piece) string {
	most := 0
	for i := range list {
		if k := &list[i]; k.State == Play {
			most = max(most, int(k.Part))
		}
	}
	none := printPart(list, 0)
	if most == 0 {
		if none == "-" {
			return "0"
		}
		return none
	}
	var parts []string
	for part := 1; part <= max(most, 2); part++ {
		parts = append(parts, printPart(list, part))
	}
	text := strings.Join(parts, " + ")
	if none != "-" {
		text += " & " + none
	}
	return text
}

func printPart(list []Piece, part int) string {
	var tokens []string
	counts := Count(list, Play, int8(part))
	for p := place.Largest; p >= place.Smallest; p-- {
		if n := counts.Of(p); n > 0 {
			tokens = append(tokens, strconv.Itoa(n)+letters[p])
		}
	}
	if tokens == nil {
		return "-"
	}
	return strings.Join(tokens, " ")
}

// Parse reads what Print writes.
func (r Rules) Parse(s string, ids *board.IDs) ([]Piece, error) {
	if strings.TrimSpace(s) == "0" {
		return nil, nil
	}
	addends, none, _ := strings.Cut(s, "&")
	groups := strings.Split(addends, "+")
	if len(groups) > r.Parts {
		return nil, fmt.Errorf("%q has %d addends; %ss tell %d apart", s, len(groups), r.Noun, r.Parts)
	}
	var all []Piece
	for i, g := range groups {
		part := i + 1
		if len(groups) == 1 {
			part = 0
		}
		some, err := r.parsePart(g, part, ids)
		if err != nil {
			return nil, err
		}
		all = append(all, some...)
	}
	some, err := r.parsePart(none, 0, ids)
	if err != nil {
		return nil, err
	}
	if all = append(all, some...); len(all) > board.MaxPieces {
		return nil, fmt.Errorf("%q has %d pieces; a board holds %d", s, len(all), board.MaxPieces)
	}
	return Canonical(all), nil
}

func (r Rules) parsePart(s string, part int, ids *board.IDs) ([]Piece, error) {
	var out []Piece
	for _, token := range strings.Fields(s) {
		if token == "-" {
			continue
		}
		i := strings.IndexFunc(token, func(r rune) bool { return r < '0' || r > '9' })
		if i <= 0 {
			return nil, fmt.Errorf("%q is not a count of %ss. Write it like 4t", token, r.Noun)
		}
		n, err := strconv.Atoi(token[:i])
		if err != nil || n > board.MaxPieces {
			return nil, fmt.Errorf("%q is more than %d %ss", token, board.MaxPieces, r.Noun)
		}
		p, ok := placeOf(token[i:])
		if !ok || !r.Has(p) {
			return nil, fmt.Errorf("%q is not a %s. The places are %s", token, r.Noun, r.letterList())
		}
		out = append(out, Many(p, n, part, ids.Take(n))...)
	}
	return out, nil
}

func (r Rules) letterList() string {
	var list []string
	for p := r.Least; p <= r.Most; p++ {
		list = append(list, letters[p])
	}
	return strings.Join(list, ", ")
}

func placeOf(letter string) (place.Place, bool) {
	for p, l := range letters {
		if l == letter {
			return p, true
		}
	}
	return 0, false
}

// Canonical keeps the counts in play by place and addend, in order.
func Canonical(list []Piece) []Piece {
	var out []Piece
	for _, k := range list {
		if k.State == Play {
			out = append(out, Piece{ID: k.ID, Place: k.Place, Part: k.Part})
		}
	}
	slices.SortStableFunc(out, func(x, y Piece) int {
		if x.Place != y.Place {
			return int(y.Place) - int(x.Place)
		}
		return PartOrder(x) - PartOrder(y)
	})
	return out
}

// PartOrder puts the addends in order and pieces of none last.
func PartOrder(k Piece) int {
	if k.Part == 0 {
		return 127
	}
	return int(k.Part)
}
