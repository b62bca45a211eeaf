package method

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/model/blocks"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// columnAdd builds both addends, largest place first, and joins them from the
// ones up. Ten or more of a place are seen as making ten: with 6 and 7, the 6
// takes 4 of the 7. The ten is ringed across both addends, bundled, and left
// crossed out, so that nobody counts it twice.
var columnAdd = Spec{
	ID:     "column-add",
	Title:  "Column addition",
	Doc:    "Build both addends, join them place by place from the ones up, and bundle wherever there are ten or more. The written column method grows in step. Whole numbers, sum up to 9,999.",
	Args:   "two whole numbers",
	Sample: []string{"146", "87"},
	Models: []string{"blocks"},
	Options: []Option{
		{"marks", "Where the regroup marks are written.", []string{"above", "below"}},
		{"style", "How the blocks look.", []string{"solid", "sketch"}},
	},
	make: makeColumnAdd,
}

// columnAddition is the problem while its example is made.
type columnAddition struct {
	*builder
	a, b, sum place.Number
}

func makeColumnAdd(r Request) (Example, error) {
	a, b, sum, err := columnAddends(r.Args)
	if err != nil {
		return Example{}, err
	}
	top := max(a.Top(), b.Top(), place.Tens)
	start := board.Board{
		Models: []board.Model{blocks.Blocks{UpTo: top, Sketch: r.Options["style"] == "sketch"}},
		Tiles:  []board.Tile{{}},
	}
	c := columnAddition{newBuilder(start), a, b, sum}
	c.predict()
	c.build()
	carried := 0
	for p := place.Ones; p <= max(top, sum.Top()) && (p <= max(a.Top(), b.Top()) || carried > 0); p++ {
		carried = c.addPlace(p, carried)
	}
	c.check()
	if c.err != nil {
		return Example{}, c.err
	}
	c.scene.Title = a.String() + " + " + b.String()
	c.scene.Marks = r.Options["marks"]
	c.scene.Made = &lesson.Made{Method: r.Method, Problem: c.scene.Title, Answer: sum.String(), Model: r.Model, Args: r.Args, Options: r.Options}
	return Example{c.scene, r.words(), c.now}, nil
}

func columnAddends(args []string) (a, b, sum place.Number, err error) {
	if len(args) == 3 && args[1] == "+" {
		args = []string{args[0], args[2]}
	}
	if len(args) != 2 {
		return a, b, sum, say.Refuse("need-two")
	}
	for i, into := range []*place.Number{&a, &b} {
		w, err := place.Parse(args[i])
		if err != nil {
			return a, b, sum, say.Refuse("bad-number", say.Text("reason", say.Given, err.Error()+"."))
		}
		if _, whole := w.Whole(); !whole {
			return a, b, sum, say.Refuse("whole-only", say.Number("n", say.Given, w.Number))
		}
		*into = w.Number
	}
	sum, err = a.Add(b)
	if err != nil || sum.Cmp(place.Int(9999)) > 0 {
		return a, b, sum, say.Refuse("sum-too-large", say.Number("a", say.Given, a), say.Number("b", say.Given, b))
	}
	return a, b, sum, nil
}

// predict asks what the digits tell before anything is built.
func (c *columnAddition) predict() {
	p, q := c.a.Digit(place.Ones), c.b.Digit(place.Ones)
	answer := "columnAdd.predict.no"
	if p+q >= 10 {
		answer = "columnAdd.predict.yes"
	}
	digits := "1 digit"
	if n := len(c.sum.String()); n > 1 {
		digits = strconv.Itoa(n) + " digits"
	}
	c.step(lesson.Step{
		Say:    line("columnAdd.predict", say.Number("a", say.Given, c.a), say.Number("b", say.Given, c.b)),
		Ask:    line("columnAdd.predict.ask"),
		Answer: line(answer, say.Pieces("p", say.Given, p, place.Ones), say.Pieces("q", say.Given, q, place.Ones), say.Text("digits", say.Answer, digits)),
		Look:   line("look.digits"),
	})
}

// build puts the addends in their rows and writes them.
func (c *columnAddition) build() {
	c.buildAddend(1, c.a, line("columnAdd.first", say.Number("n", say.Given, c.a)), line("look.columns"))
	c.buildAddend(2, c.b, line("columnAdd.second", say.Number("n", say.Given, c.b), say.Number("above", say.Given, c.a)), line("look.rows"))
}

func (c *columnAddition) buildAddend(part int, n place.Number, said, look say.Line) {
	s := lesson.Step{
		Say: said, Look: look,
		Ask:    line("columnAdd.build.ask", say.Number("n", say.Given, n)),
		Answer: line("columnAdd.build.answer", say.Form("form", say.Answer, n.UnitForm())),
	}
	if n.IsZero() {
		s.Answer = line("columnAdd.build.nothing")
	}
	for _, count := range n.UnitForm() {
		s.Moves = append(s.Moves, board.Move{Kind: "place", Args: pieces.AmountArgs{Amount: count.String(), Part: part}})
	}
	row := "addend " + strconv.Itoa(part)
	if part == 2 {
		s.Write = append(s.Write, lesson.Write{Kind: "cell", Row: row, Text: "+"})
	}
	for p := n.Top(); p >= place.Ones; p-- {
		s.Write = append(s.Write, digitCell(row, p, n.Digit(p), board.Select{Place: p, Part: &part, State: "any"}))
	}
	c.step(s)
}

// digitCell is a digit of the written method with the pieces it stands for.
func digitCell(row string, p place.Place, digit int, stands board.Select) lesson.Write {
	w := lesson.Write{Kind: "cell", Row: row, Place: &p, Text: strconv.Itoa(digit)}
	if digit > 0 {
		w.Stands = []board.Select{stands}
	}
	return w
}

// addPlace joins one place. carried is 1 when a new piece came from the place
// before; the result is 1 when this place makes one for the next.
func (c *columnAddition) addPlace(p place.Place, carried int) int {
	x, y := c.a.Digit(p), c.b.Digit(p)
	sum := x + y + carried
	s := lesson.Step{
		Say:  c.joinLine(p, carried),
		Look: line("look.place", say.PlaceName("place", p)),
		Moves: []board.Move{
			{Kind: "join", Args: pieces.PlaceArgs{Place: p}},
		},
	}
	if carried > 0 {
		s.Moves = append(s.Moves, board.Move{Kind: "counted"})
	}
	if sum < 10 {
		s.Ask = line("columnAdd.many.ask", say.PlaceName("place", p))
		s.Answer = line("columnAdd.many.answer", say.Pieces("sum", say.Answer, sum, p), say.Int("digit", say.Answer, sum), say.PlaceName("place", p))
		s.Write = []lesson.Write{c.sumCell(p, sum)}
		c.step(s)
		return 0
	}
	c.makeTen(s, p, sum)
	c.bundle(p, sum-10)
	return 1
}

// joinLine names what lies in the place: each addend that reaches so far, and
// the new piece.
func (c *columnAddition) joinLine(p place.Place, carried int) say.Line {
	id, values := "columnAdd.join.", []say.Value{say.PlaceName("place", p)}
	name := "p"
	for _, n := range []place.Number{c.a, c.b} {
		if p <= n.Top() {
			values = append(values, say.Pieces(name, say.Part, n.Digit(p), p))
			id += name
			name = "q"
		}
	}
	if carried > 0 {
		id += "n"
	}
	return line(id, values...)
}

// makeTen asks what fills the first addend up to ten, and rings the ten.
func (c *columnAddition) makeTen(s lesson.Step, p place.Place, sum int) {
	base := c.a.Digit(p)
	if base == 0 {
		base = c.b.Digit(p)
	}
	left := sum - 10
	id := "columnAdd.ten.many"
	switch left {
	case 0:
		id = "columnAdd.ten.none"
	case 1:
		id = "columnAdd.ten.one"
	}
	s.Ask = line("columnAdd.ten.ask", say.Pieces("p", say.Part, base, p))
	s.Answer = line(id, say.Int("more", say.Answer, 10-base), say.Int("base", say.Part, base), say.Int("left", say.Answer, left))
	s.Look = line("look.ring")
	s.Moves = append(s.Moves, board.Move{Kind: "ring", Args: pieces.PiecesArgs{Pieces: []board.Select{{Place: p, Count: 10}}}})
	c.step(s)
}

// bundle makes the ringed ten into one of the next place, and writes what stays
// and the mark.
func (c *columnAddition) bundle(p place.Place, left int) {
	none := 0
	next := p + 1
	mark := digitCell("mark", next, 1, board.Select{Place: next, Part: &none, State: "any"})
	c.step(lesson.Step{
		Say:    line("columnAdd.bundle", say.PlaceName("place", p), say.PlaceName("next", next)),
		Ask:    line("columnAdd.bundle.ask", say.PlaceName("next", next)),
		Answer: line("columnAdd.bundle.answer", say.PlaceName("next", next), say.Int("digit", say.Answer, left), say.PlaceName("place", p)),
		Look:   line("look.new", say.PlaceName("next", next)),
		Moves:  []board.Move{{Kind: "bundle", Args: pieces.BundleArgs{Place: p, Trace: true}}},
		Write:  []lesson.Write{c.sumCell(p, left), mark},
	})
}

func (c *columnAddition) sumCell(p place.Place, digit int) lesson.Write {
	return digitCell("sum", p, digit, board.Select{Place: p})
}

// check reads the blocks and the written answer, each on its own.
func (c *columnAddition) check() {
	form := c.now.Models[0].InPlay()
	c.step(lesson.Step{
		Say:    line("columnAdd.check"),
		Ask:    line("columnAdd.check.ask"),
		Answer: line("columnAdd.check.answer", say.Form("form", say.Answer, form), say.Number("sum", say.Answer, c.sum)),
		Look:   line("look.both"),
		Moves:  []board.Move{{Kind: "tidy"}},
		Write:  []lesson.Write{{Kind: "sentence", Text: c.a.String() + " + " + c.b.String() + " = " + c.sum.String()}},
	})
}
