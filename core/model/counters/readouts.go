package counters

import (
	"fmt"
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/model/pieces"
	"unitbloom/core/say"
)

// readOuts are what the counters say beside their number.
func readOuts(m board.Model, w say.Vocabulary, _ []board.Covering) []board.ReadOut {
	c := m.(Counters)
	out := func(id, text string) board.ReadOut {
		if text == "" {
			text = "–"
		}
		return board.ReadOut{ID: id, Label: say.New("label." + id).Text(w), Text: text}
	}
	return []board.ReadOut{
		out("colours", c.colours()),
		out("counted", c.counted(c.count())),
		out("empty", c.empty(w)),
		out("array", c.arraySentence(w)),
		out("shared", c.shared(w)),
		out("story", c.told()),
	}
}

// colours is the sum of the two parts: 6 + 3 = 9.
func (c Counters) colours() string {
	one, two := c.inOrder()
	return fmt.Sprintf("%d + %d = %d", one, two, one+two)
}

// inOrder counts the two colours, the second first where all of it lies first,
// as after the parts have changed places.
func (c Counters) inOrder() (one, two int) {
	one, two = c.faces()
	seen := false
	for _, k := range c.List {
		if k.State == pieces.Play && !k.Mint {
			seen = true
		} else if k.State == pieces.Play && seen {
			return one, two
		}
	}
	if one == 0 || two == 0 {
		return one, two
	}
	return two, one
}

// empty says how many more fill the frames.
func (c Counters) empty(w say.Vocabulary) string {
	cells, in := 0, 0
	for i, f := range c.Frames {
		cells += f.cells()
		in += len(c.inFrame(i + 1))
	}
	if cells == 0 {
		return ""
	}
	return say.New("counters.empty", say.Int("more", say.Amount, cells-in), say.Int("cells", say.Given, cells)).Text(w)
}

// arraySentence is rows times columns of the first frame when it is full, and
// its two parts when it is split.
func (c Counters) arraySentence(w say.Vocabulary) string {
	if len(c.Frames) == 0 || !c.isFull(1) {
		return ""
	}
	f := c.Frames[0]
	text := say.New("counters.array", say.Int("rows", say.Given, f.Rows), say.Int("columns", say.Given, f.Columns),
		say.Int("n", say.Amount, f.cells())).Text(w)
	switch {
	case f.Split == 0:
	case f.Across:
		text += fmt.Sprintf("; %d × %d = %d × %d + %d × %d", f.Rows, f.Columns, f.Rows, f.Split, f.Rows, f.Columns-f.Split)
	default:
		text += fmt.Sprintf("; %d × %d = %d × %d + %d × %d", f.Rows, f.Columns, f.Split, f.Columns, f.Rows-f.Split, f.Columns)
	}
	return text
}

// some is a number of counters, with its unit where they count one.
func (c Counters) some(n int) string {
	if c.Unit == "" {
		return strconv.Itoa(n)
	}
	return c.counted(n)
}

// shared says how many are in each group and how many are left over.
func (c Counters) shared(w say.Vocabulary) string {
	if c.Groups == 0 {
		return ""
	}
	in := make([]int, c.Groups)
	for _, k := range c.List {
		if k.Group > 0 && lies(k) && k.State == pieces.Play {
			in[k.Group-1]++
		}
	}
	left := say.Text("left", say.Amount, c.some(len(c.left())))
	if slices.Min(in) == slices.Max(in) {
		return say.New("counters.shared", say.Int("groups", say.Given, c.Groups), say.Text("each", say.Amount, c.some(in[0])),
			left).Text(w)
	}
	texts := make([]string, len(in))
	for i, n := range in {
		texts[i] = c.some(n)
	}
	return say.New("counters.groups", say.Text("list", say.Amount, strings.Join(texts, ", ")), left).Text(w)
}
