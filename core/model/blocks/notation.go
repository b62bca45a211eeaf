package blocks

import (
	"fmt"
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/place"
)

// The notation is one token a place, largest first: "1h 4t 6o". Addends are
// parted by "+" and blocks of no addend follow "&": "1h 4t 6o + 8t 7o & 1t".
// An addend without blocks is "-", no blocks at all "0". Only what is in play
// is written.
var letters = map[place.Place]string{place.Ones: "o", place.Tens: "t", place.Hundreds: "h", place.Thousands: "th"}

func printNotation(m board.Model) string {
	b := m.(Blocks)
	most := 0
	for i := range b.Ordered {
		if k := &b.Ordered[i]; k.State == Play {
			most = max(most, int(k.Part))
		}
	}
	none := b.printPart(0)
	if most == 0 {
		if none == "-" {
			return "0"
		}
		return none
	}
	var parts []string
	for part := 1; part <= max(most, 2); part++ {
		parts = append(parts, b.printPart(part))
	}
	text := strings.Join(parts, " + ")
	if none != "-" {
		text += " & " + none
	}
	return text
}

func (b Blocks) printPart(part int) string {
	var tokens []string
	counts := b.tally(Play, int8(part))
	for p := Largest; p >= Smallest; p-- {
		if n := counts[p]; n > 0 {
			tokens = append(tokens, strconv.Itoa(n)+letters[p])
		}
	}
	if tokens == nil {
		return "-"
	}
	return strings.Join(tokens, " ")
}

func parseNotation(s string, ids *board.IDs) (board.Model, error) {
	if strings.TrimSpace(s) == "0" {
		return Blocks{}, nil
	}
	addends, none, _ := strings.Cut(s, "&")
	groups := strings.Split(addends, "+")
	if len(groups) > MaxPart {
		return nil, fmt.Errorf("%q has %d addends; blocks tell %d apart", s, len(groups), MaxPart)
	}
	var all []Block
	for i, g := range groups {
		part := i + 1
		if len(groups) == 1 {
			part = 0
		}
		blocks, err := parsePart(g, part, ids)
		if err != nil {
			return nil, err
		}
		all = append(all, blocks...)
	}
	if strings.TrimSpace(none) != "" {
		blocks, err := parsePart(none, 0, ids)
		if err != nil {
			return nil, err
		}
		all = append(all, blocks...)
	}
	if len(all) > board.MaxPieces {
		return nil, fmt.Errorf("%q has %d pieces; a board holds %d", s, len(all), board.MaxPieces)
	}
	return canonical(Blocks{}.insert(all...)), nil
}

func parsePart(s string, part int, ids *board.IDs) ([]Block, error) {
	var out []Block
	for _, token := range strings.Fields(s) {
		if token == "-" {
			continue
		}
		i := strings.IndexFunc(token, func(r rune) bool { return r < '0' || r > '9' })
		if i <= 0 {
			return nil, fmt.Errorf("%q is not a count of blocks. Write it like 4t", token)
		}
		n, err := strconv.Atoi(token[:i])
		if err != nil || n > board.MaxPieces {
			return nil, fmt.Errorf("%q is more than %d blocks", token, board.MaxPieces)
		}
		p, ok := placeOf(token[i:])
		if !ok {
			return nil, fmt.Errorf("%q is not a block. Blocks are o, t, h and th", token)
		}
		out = append(out, newBlocks(p, n, part, ids.Take(n))...)
	}
	return out, nil
}

func placeOf(letter string) (place.Place, bool) {
	for p, l := range letters {
		if l == letter {
			return p, true
		}
	}
	return 0, false
}

// canonical keeps the counts in play by place and addend, in order.
func canonical(m board.Model) board.Model {
	var out Blocks
	for _, k := range m.(Blocks).Ordered {
		if k.State == Play {
			out.Ordered = append(out.Ordered, Block{ID: k.ID, Place: k.Place, Part: k.Part})
		}
	}
	slices.SortStableFunc(out.Ordered, func(x, y Block) int {
		if x.Place != y.Place {
			return int(y.Place) - int(x.Place)
		}
		return partOrder(x) - partOrder(y)
	})
	return out
}
