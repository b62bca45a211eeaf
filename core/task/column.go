package task

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/mistake"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// columnMethods are those that are worked by columns.
var columnMethods = []string{"column-add", "column-subtract", "short-multiply", "share"}

var column = Spec{
	Kind: "column", Title: "Work in columns", Doc: "Work a written method on the grid: each digit, and marks too.",
	About: "a problem: 402 − 167", Sample: []string{"402 − 167"},
	Options: []method.Option{
		{Name: "numbers", Doc: "Whether the numbers stand there, or the child writes them place under place.",
			Choices: []string{"given", "by the child"}},
		{Name: "beside", Doc: "The board beside it.", Choices: []string{nothing, "blocks", "discs"}},
	},
	read: readColumn,
	from: func(sc lesson.Scene) (Task, bool) {
		if sc.Made == nil || !slices.Contains(columnMethods, sc.Made.Method) {
			return Task{}, false
		}
		return Task{Kind: "column", About: []string{sc.Made.Problem}}, true
	},
}

// The rows of a written method.
const (
	markRow     = "mark"
	sumRow      = "sum"
	quotientRow = "quotient"
	dividendRow = "dividend"
	remainder   = "remainder"
)

// columns is a written method to be worked.
type columns struct {
	method string
	args   []string
	// typed is the problem as it is written, and answer what it comes to.
	typed, answer string
	// cells is what stands at the end, by the blank's id, and marks every mark that was
	// written at a place on the way.
	cells  map[string]string
	marks  map[place.Place][]string
	rows   []string
	signs  map[string]string
	top    place.Place
	low    place.Place
	align  bool
	beside string
}

func readColumn(t Task) (work, error) {
	text := strings.Join(t.About, " ")
	r, err := method.Typed("", text)
	if err != nil {
		return nil, err
	}
	if !slices.Contains(columnMethods, r.Method) {
		// A small product is worked in rows of things unless it is asked for in columns.
		r.Method = "short-multiply"
	}
	r.Options = map[string]string{"ask": "never"}
	e, err := method.Make(r)
	if err != nil {
		return nil, err
	}
	c := columns{method: r.Method, args: r.Args, typed: e.Scene.Made.Problem, answer: e.Scene.Made.Answer,
		cells: map[string]string{}, marks: map[place.Place][]string{}, signs: map[string]string{},
		low: place.Ones, align: t.Options["numbers"] == "by the child"}
	if t.Options["beside"] != nothing {
		c.beside = t.Options["beside"]
	}
	for _, s := range e.Scene.Steps {
		for _, w := range s.Write {
			c.take(w)
		}
	}
	if len(c.rows) == 0 {
		return nil, say.Refuse("task-no-columns", say.Text("problem", say.Given, text))
	}
	if c.method == "share" {
		_, rest, _ := strings.Cut(c.answer, " remainder ")
		c.cells[remainder] = rest
	}
	return c, nil
}

// take notes what was written in a cell.
func (c *columns) take(w lesson.Write) {
	if w.Kind != "cell" {
		return
	}
	if w.Place == nil {
		c.signs[w.Row] = w.Text
		return
	}
	if w.Row == markRow {
		c.marks[*w.Place] = append(c.marks[*w.Place], w.Text)
	} else if !slices.Contains(c.rows, w.Row) {
		c.rows = append(c.rows, w.Row)
	}
	c.cells[at(w.Row, *w.Place)] = w.Text
	c.top, c.low = max(c.top, *w.Place), min(c.low, *w.Place)
}

// at is the blank of a row and a place.
func at(row string, p place.Place) string { return row + " " + p.Plural() }

// answers is the row in which the answer is written.
func (c columns) answers() string {
	if c.method == "share" {
		return quotientRow
	}
	return sumRow
}

// widest is the largest column of the grid: one more than is needed, so that the grid does
// not tell how long the answer is. A quotient is never longer than what is shared.
func (c columns) widest() place.Place {
	if c.method == "share" {
		return c.top
	}
	return min(c.top+1, place.Largest)
}

// given reports whether a row stands there already.
func (c columns) given(row string) bool { return row != c.answers() && row != markRow && !c.align }

// lines are the rows of the grid from above.
func (c columns) lines() []string {
	if c.method == "share" {
		return []string{quotientRow, markRow, dividendRow}
	}
	rows := slices.DeleteFunc(slices.Clone(c.rows), func(row string) bool { return row == sumRow })
	return slices.Concat([]string{markRow}, rows, []string{sumRow})
}

func (c columns) face(w say.Vocabulary) Face {
	ask := "task.column"
	if c.align {
		ask = "task.column.align"
	}
	f := Face{Ask: say.New(ask, say.Text("problem", say.Given, c.typed)).Text(w), Of: w.Spell(c.typed),
		Head: say.New("task.column.head").Text(w)}
	if c.beside != "" {
		f.Boards = []Picture{{Board: c.beside + " 0"}}
		spec, _ := board.SpecOf(c.beside)
		for _, a := range numbersIn(c.args)[:1] {
			n, err := place.Parse(a)
			if err != nil {
				continue
			}
			if text, err := (building{number: n.Number, spec: spec}).notation(a); err == nil {
				f.Boards[0].Board = text
			}
		}
	}
	for _, row := range c.lines() {
		line := FaceLine{Kind: row, Cells: []FaceCell{{Text: c.signs[row]}}}
		for p := c.widest(); p >= c.low; p-- {
			cell := FaceCell{Place: &p}
			id := at(row, p)
			switch {
			case c.given(row):
				cell.Text = c.cells[id]
			case row == markRow && !c.canMark(p):
			default:
				cell.Blank = id
				f.Blanks = append(f.Blanks, Blank{ID: id, Gives: Digits, Label: w.PlaceName(p, 2), Optional: row == markRow})
			}
			line.Cells = append(line.Cells, cell)
		}
		if row != markRow {
			line.point(w.Point())
		}
		f.Lines = append(f.Lines, line)
	}
	if c.method == "share" {
		f.Blanks = append(f.Blanks,
			Blank{ID: remainder, Gives: Numeral, Label: say.New("task.remainder").Text(w), Optional: true})
	}
	return f
}

// point sets the point before the tenths of a line that has or asks for something behind it: a
// whole number has none.
func (l FaceLine) point(sign string) {
	behind := func(c FaceCell) bool { return c.Place != nil && *c.Place < place.Ones && c.Text+c.Blank != "" }
	if !slices.ContainsFunc(l.Cells, behind) {
		return
	}
	for i := range l.Cells {
		if p := l.Cells[i].Place; p != nil && *p == place.Ones-1 {
			l.Cells[i].Point = sign
		}
	}
}

// canMark reports whether a mark may stand over a column: every one, so that the grid does
// not tell where there is one.
func (c columns) canMark(p place.Place) bool { return p < c.widest() || c.method != "share" }

func (c columns) mark(a Answer) []Part {
	var parts []Part
	for _, row := range c.lines() {
		for _, p := range c.inOrder() {
			id := at(row, p)
			want, got := c.cells[id], a[id]
			switch {
			case c.given(row):
			case row == markRow:
				if got != "" {
					parts = append(parts, Part{At: id, Right: c.marked(p, got)})
				}
			case want == "" && got == "":
				// nothing is to stand there
			case want == "":
				parts = append(parts, Part{At: id, Right: strings.Trim(got, "0") == "" && p > c.lead(row)})
			case got == "" && want == "0" && (p > c.lead(row) || c.trailing(row, p)):
				// a zero that need not be written
			default:
				parts = append(parts, judged(a, id, got == want))
			}
		}
	}
	if c.method == "share" {
		want, got := c.cells[remainder], a[remainder]
		if want != "" || got != "" && strings.Trim(got, "0") != "" {
			parts = append(parts, judged(a, remainder, sameNumber(got, want)))
		}
	}
	return parts
}

// inOrder are the columns as they are worked: from the smallest place, and those of a division
// from the largest.
func (c columns) inOrder() []place.Place {
	var list []place.Place
	for p := c.low; p <= c.widest(); p++ {
		list = append(list, p)
	}
	if c.method == "share" {
		slices.Reverse(list)
	}
	return list
}

// lead is the place of the first digit of a row that counts.
func (c columns) lead(row string) place.Place {
	for p := c.widest(); p > place.Ones; p-- {
		if text := c.cells[at(row, p)]; text != "" && text != "0" {
			return p
		}
	}
	return place.Ones
}

// trailing reports whether a place is after the last digit of a row that counts.
func (c columns) trailing(row string, p place.Place) bool {
	for q := p; q >= c.low; q-- {
		if text := c.cells[at(row, q)]; text != "" && text != "0" {
			return false
		}
	}
	return p < place.Ones
}

func sameNumber(a, b string) bool {
	x, errX := place.Parse(a)
	y, errY := place.Parse(b)
	return errX == nil && errY == nil && x.Number == y.Number
}

// marked reports whether a mark is one that belongs over a place; of 12 the small one alone is
// enough, before the digit that stands there.
func (c columns) marked(p place.Place, got string) bool {
	return slices.ContainsFunc(c.marks[p],
		func(mark string) bool { return got == mark || len(mark) == 2 && got == mark[:1] })
}

// spread writes a number into the cells of a row: whole ones by place, and where it has more
// digits than there are columns, the rest with the largest.
func (c columns) spread(a Answer, row, number string) Answer {
	whole, part, _ := strings.Cut(number, ".")
	for p := c.widest(); p >= c.low; p-- {
		text := ""
		if p >= place.Ones {
			if end := len(whole) - int(p); end > 0 {
				start := end - 1
				if p == c.widest() {
					start = 0
				}
				text = whole[start:end]
			}
		} else if i := int(place.Tenths - p); i < len(part) {
			text = part[i : i+1]
		}
		a = changed(a, at(row, p), text)
	}
	return a
}

func (c columns) right() []Answer {
	bare := Answer{}
	for id, text := range c.cells {
		row, _, _ := strings.Cut(id, " ")
		if row == "addend" {
			row = id[:strings.LastIndex(id, " ")]
		}
		if text != "" && row != markRow && (row == remainder || !c.given(row)) {
			bare[id] = text
		}
	}
	marked, some := bare, bare
	for p, list := range c.marks {
		if !c.canMark(p) {
			continue
		}
		marked = changed(marked, at(markRow, p), list[len(list)-1])
		if len(some) == len(bare) {
			some = changed(some, at(markRow, p), list[0])
		}
	}
	zero := bare
	if p := c.widest(); c.cells[at(c.answers(), p)] == "" && c.lead(c.answers()) < p {
		zero = changed(bare, at(c.answers(), p), "0")
	}
	return []Answer{bare, marked, some, zero}
}

func (c columns) wrong() []Answer {
	bare := c.right()[0]
	row := c.answers()
	list := []Answer{c.spread(bare, row, "")}
	for _, s := range mistake.Slips(c.slips()) {
		number, rest, _ := strings.Cut(s.Answer, " remainder ")
		a := c.spread(bare, row, number)
		if c.method == "share" {
			a = changed(a, remainder, rest)
		}
		if !strings.Contains(number, " ") {
			list = append(list, a)
		}
	}
	for p := c.low; p <= c.top; p++ {
		if digit, err := strconv.Atoi(bare[at(row, p)]); err == nil {
			list = append(list, changed(bare, at(row, p), strconv.Itoa((digit+1)%10)))
		}
		if len(c.marks[p]) > 0 && c.canMark(p) {
			list = append(list, changed(bare, at(markRow, p), "7"))
		}
	}
	return slices.DeleteFunc(list, func(a Answer) bool {
		return !slices.ContainsFunc(c.mark(a), func(p Part) bool { return !p.Right })
	})
}

// slips is what known mistakes are looked for in.
func (c columns) slips() mistake.Problem {
	return mistake.Problem{Method: c.method, Args: numbersIn(c.args)}
}

func (c columns) problem(a Answer) (mistake.Problem, string) { return c.slips(), c.written(a) }

// written is the number that an answer comes to, as it is read off the grid.
func (c columns) written(a Answer) string {
	var b strings.Builder
	row := c.answers()
	for p := c.widest(); p >= c.low; p-- {
		if p == place.Tenths {
			b.WriteByte('.')
		}
		text := a[at(row, p)]
		if text == "" && (b.Len() > 0 || p == place.Ones) {
			text = "0"
		}
		b.WriteString(text)
	}
	text := strings.TrimLeft(b.String(), "0")
	if strings.Contains(text, ".") {
		text = strings.TrimRight(strings.TrimRight(text, "0"), ".")
	}
	if text == "" || text[0] == '.' {
		text = "0" + text
	}
	if rest := strings.TrimLeft(a[remainder], "0"); rest != "" {
		text += " remainder " + rest
	}
	return text
}
