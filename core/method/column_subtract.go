package method

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// columnSubtract builds only the minuend and takes away from the smallest place
// up. Where there are too few, one of the next is exchanged, across zeros too,
// each stage seen; taken pieces leave a trace.
var columnSubtract = Spec{
	ID: "column-subtract", Title: "Column subtraction", Operation: "subtract",
	Doc: "Only the first number is built; the second is taken away, smallest place first, exchanging as you go or " +
		"first of all, across several zeros too. The written method grows in step; checked by adding back.",
	Args:   "two numbers, the first at least as large",
	Sample: []string{"4002", "-", "1567"}, Typed: "4 002 − 1 567",
	Limits: "Blocks: whole numbers to 9,999; discs: to 9,999,999 with decimals to thousandths.",
	Models: []string{"blocks", "discs"},
	Options: []Option{
		{"exchange", "Exchange as you go, or all before anything is taken.", []string{"as you go", "first"}},
		{"marks", "Where the exchange marks are written.", []string{"above", "below"}},
	},
	make: makeColumnSubtract,
}

// columnSubtraction is the problem while its example is made. has is how many
// pieces of each place are there now.
type columnSubtraction struct {
	*maker
	a, b, d place.Number
	low     place.Place
	has     map[place.Place]int
}

func makeColumnSubtract(r Request) (Example, error) {
	ns, low, err := columnNumbers(r, 2, 2)
	if err != nil {
		return Example{}, err
	}
	d, err := ns[0].Sub(ns[1])
	if err != nil {
		return Example{}, say.Refuse("subtract-more", say.Number("a", say.Given, ns[0]), say.Number("b", say.Given, ns[1]))
	}
	c := columnSubtraction{maker: begin(r, r.Model+" 0"), a: ns[0], b: ns[1], d: d, low: low, has: map[place.Place]int{}}
	for p := place.Smallest; p <= place.Largest; p++ {
		c.has[p] = c.a.Digit(p)
	}
	c.predict()
	c.build()
	top := max(c.a.Top(), c.b.Top())
	if r.Options["exchange"] == "first" {
		for p := low; p <= top; p++ {
			c.exchange(p)
		}
	}
	for p := low; p <= top; p++ {
		c.exchange(p)
		c.takePlace(p)
	}
	c.check()
	c.scene.Marks = r.Options["marks"]
	return c.end(c.a.String()+" − "+c.b.String(), d.String())
}

// predict asks whether the smallest place has enough.
func (c *columnSubtraction) predict() {
	p, q := c.a.Digit(c.low), c.b.Digit(c.low)
	id := "minusColumn.enough"
	if p < q {
		id = "minusColumn.short"
	}
	c.key(lesson.Step{
		Say:    line("minusColumn.start", say.Number("a", say.Given, c.a), say.Number("b", say.Given, c.b)),
		Ask:    line("minusColumn.predict", say.PlaceName("place", c.low)),
		Answer: line(id, say.Pieces("p", say.Given, p, c.low), say.Pieces("q", say.Given, q, c.low)),
		Look:   line("look.digits"),
	})
}

func (c *columnSubtraction) build() {
	s := lesson.Step{
		Say:    line("minusColumn.build", say.Number("a", say.Given, c.a)),
		Ask:    line("columnAdd.build.ask", say.Number("n", say.Given, c.a)),
		Answer: line("columnAdd.build.answer", say.Form("form", say.Answer, c.a.UnitForm())),
		Look:   line("look.columns"),
	}
	if c.a.IsZero() {
		s.Answer = line("columnAdd.build.nothing")
	}
	for _, count := range c.a.UnitForm() {
		s.Moves = append(s.Moves, c.lay(count.Count, count.Place, 0)...)
	}
	for p := c.a.Top(); p >= c.low; p-- {
		s.Write = append(s.Write, digitCell("addend 1", p, c.a.Digit(p), board.Select{Place: p, State: "any"}))
	}
	s.Write = append(s.Write, lesson.Write{Kind: "cell", Row: "addend 2", Text: "−"})
	for p := c.b.Top(); p >= c.low; p-- {
		s.Write = append(s.Write, digitCell("addend 2", p, c.b.Digit(p), board.Select{Place: p, State: "taken"}))
	}
	c.step(s)
}

// exchange opens pieces of larger places until p has enough, one stage a step.
func (c *columnSubtraction) exchange(p place.Place) {
	if c.has[p] >= c.b.Digit(p) || c.err != nil {
		return
	}
	from := p + 1
	for c.has[from] == 0 {
		from++
	}
	first := from
	for ; from > p; from-- {
		to := from - 1
		ask := line("minusColumn.exchange.ask", say.PlaceName("to", to))
		id := "minusColumn.exchange"
		switch {
		case from == first && to > p:
			id = "minusColumn.across"
		case from < first && to > p:
			id = "minusColumn.on"
		case from < first:
			id = "minusColumn.now"
		}
		c.has[from]--
		c.has[to] += 10
		mark := func(p place.Place) lesson.Write {
			w := digitCell("mark", p, c.has[p], board.Select{Place: p})
			w.Text = strconv.Itoa(c.has[p])
			return w
		}
		c.key(lesson.Step{
			Say: line(id, say.PlaceName("place", p), say.PlaceName("from", from), say.PlaceName("to", to)), Ask: ask,
			Answer: line("minusColumn.exchange.answer", say.Pieces("left", say.Answer, c.has[from], from),
				say.Pieces("now", say.Answer, c.has[to], to)),
			Look:  line("look.place", say.PlaceName("place", to)),
			Moves: []board.Move{unbundled(from)},
			Write: []lesson.Write{mark(from), mark(to)},
		})
	}
}

// takePlace takes the digit of one place away and writes what is left.
func (c *columnSubtraction) takePlace(p place.Place) {
	take := c.b.Digit(p)
	before := c.has[p]
	c.has[p] -= take
	s := lesson.Step{
		Say: line("minusColumn.take", say.Pieces("take", say.Part, take, p), say.Pieces("before", say.Part, before, p)),
		Ask: line("minusColumn.left", say.PlaceName("place", p)),
		Answer: line("minusColumn.left.answer", say.Pieces("left", say.Answer, c.has[p], p), answer("digit", c.has[p]),
			say.PlaceName("place", p)),
		Look: line("look.place", say.PlaceName("place", p)),
	}
	if take > 0 {
		s.Moves = []board.Move{taken(p, take)}
	} else {
		s.Say = line("minusColumn.none", say.PlaceName("place", p), say.Pieces("before", say.Part, before, p))
	}
	if p <= c.d.Top() || p <= place.Ones {
		s.Write = []lesson.Write{digitCell("sum", p, c.has[p], board.Select{Place: p})}
	}
	c.step(s)
}

// check adds back what was taken.
func (c *columnSubtraction) check() {
	c.key(lesson.Step{
		Say: line("minusColumn.check"), Ask: line("minusColumn.check.ask"),
		Answer: line("minusColumn.check.answer", say.Number("d", say.Answer, c.d), say.Number("b", say.Answer, c.b),
			say.Number("a", say.Answer, c.a)),
		Look: line("look.both"),
		Write: []lesson.Write{
			c.sentence(c.a.String()+" − "+c.b.String(), c.d.String()),
			c.sentence(c.d.String()+" + "+c.b.String(), c.a.String()),
		},
	})
}
