package counters

import (
	"fmt"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
)

// The notation is the frames, the counters by face, what is in each group, and
// the unit when it is a place: "2x5 2x5: 6 + 3", "2 @ 4 4 4", "8 of thousands".
// Counters in groups are written by count alone.
func printNotation(m board.Model) string {
	c := m.(Counters)
	text := ""
	for i, f := range c.Frames {
		if i > 0 {
			text += " "
		}
		text += strconv.Itoa(f.Rows) + "x" + strconv.Itoa(f.Columns)
	}
	if text != "" {
		text += ": "
	}
	var berry, mint int
	groups := make([]int, c.Groups)
	for _, k := range c.List {
		switch {
		case k.State != pieces.Play:
		case k.Group > 0:
			groups[k.Group-1]++
		case k.Mint:
			mint++
		default:
			berry++
		}
	}
	text += strconv.Itoa(berry)
	if mint > 0 {
		text += " + " + strconv.Itoa(mint)
	}
	if c.Groups > 0 {
		text += " @"
		for _, n := range groups {
			text += " " + strconv.Itoa(n)
		}
	}
	if c.place() != place.Ones {
		text += " of " + c.place().Plural()
	}
	return text
}

func parseNotation(s string, ids *board.IDs) (board.Model, error) {
	var c Counters
	rest, unit, named := strings.Cut(s, " of ")
	if named {
		p, err := place.ParsePlace(unit)
		if err != nil {
			return nil, err
		}
		c.Unit = p.Plural()
	}
	if frames, after, ok := strings.Cut(rest, ":"); ok {
		rest = after
		for _, word := range strings.Fields(frames) {
			f, err := parseFrame(word)
			if err != nil {
				return nil, err
			}
			c.Frames = append(c.Frames, f)
		}
	}
	loose, groups, _ := strings.Cut(rest, "@")
	faces := strings.Split(loose, "+")
	if len(faces) > 2 {
		return nil, fmt.Errorf("%q has more than two colours of counters", s)
	}
	for i, text := range faces {
		n, err := parseCount(text)
		if err != nil {
			return nil, err
		}
		c.List = append(c.List, many(n, i == 1, ids.Take(n))...)
	}
	for i, text := range strings.Fields(groups) {
		n, err := parseCount(text)
		if err != nil {
			return nil, err
		}
		some := many(n, false, ids.Take(n))
		for k := range some {
			some[k].Group = int8(min(i+1, 100))
		}
		c.Groups = i + 1
		c.List = append(c.List, some...)
	}
	if len(c.List) > board.MaxPieces {
		return nil, fmt.Errorf("%q has %d counters; a board holds %d", s, len(c.List), board.MaxPieces)
	}
	if err := c.check(); err != nil {
		return nil, err
	}
	return c.refill(), nil
}

func parseFrame(word string) (CounterFrame, error) {
	rows, columns, _ := strings.Cut(word, "x")
	r, err1 := strconv.Atoi(rows)
	k, err2 := strconv.Atoi(columns)
	if err1 != nil || err2 != nil {
		return CounterFrame{}, fmt.Errorf("%q is not a frame. Write rows by columns, like 2x5", word)
	}
	return CounterFrame{Rows: r, Columns: k}, nil
}

func parseCount(text string) (int, error) {
	n, err := strconv.Atoi(strings.TrimSpace(text))
	if err != nil || n < 0 || n > board.MaxPieces {
		return 0, fmt.Errorf("%q is not a number of counters", strings.TrimSpace(text))
	}
	return n, nil
}

func many(n int, mint bool, first board.PieceID) []pieces.Piece {
	out := pieces.Many(place.Ones, n, 0, first)
	for i := range out {
		out[i].Mint = mint
	}
	return out
}

// canonical keeps the frames, the groups, the counts in play and a unit that is
// a place.
func canonical(m board.Model) board.Model {
	c := m.(Counters)
	out := Counters{Groups: c.Groups}
	for _, f := range c.Frames {
		out.Frames = append(out.Frames, CounterFrame{Rows: f.Rows, Columns: f.Columns})
	}
	if p := c.place(); p != place.Ones {
		out.Unit = p.Plural()
	}
	for _, wants := range []func(pieces.Piece) bool{
		func(k pieces.Piece) bool { return k.Group == 0 && !k.Mint },
		func(k pieces.Piece) bool { return k.Group == 0 && k.Mint },
	} {
		for _, k := range c.List {
			if k.State == pieces.Play && wants(k) {
				out.List = append(out.List, pieces.Piece{ID: k.ID, Mint: k.Mint})
			}
		}
	}
	for g := 1; g <= c.Groups; g++ {
		for _, k := range c.List {
			if k.State == pieces.Play && int(k.Group) == g {
				out.List = append(out.List, pieces.Piece{ID: k.ID, Group: k.Group})
			}
		}
	}
	return out.refill()
}
