package method

import (
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/model/pieces"
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
		choice("exchange", "Exchange as you go, or all before anything is taken.", "as you go", "first"),
		choice("marks", "Where the regroup marks are written.", "above", "below"),
		choice("check", "How it is checked.", "by the estimate", "by the inverse", "none"),
	},
	Signs: "−",
	stops: columnStops,
	make:  makeColumnSubtract,
}

// columnSubtraction is the problem while its example is made. has is how many
// pieces of each place are there now.
type columnSubtraction struct {
	*maker
	written []place.Written
	a, b, d place.Number
	low     place.Place
	has     map[place.Place]int
	// sized is what was said of the size before, against bound; opened the first place
	// that was opened, with the one that needed it.
	sized  string
	bound  place.Number
	opened []place.Place
}

func makeColumnSubtract(r Request) (Example, error) {
	written, low, err := columnNumbers(r, 2, 2)
	ns := numbersOf(written)
	if err != nil {
		return Example{}, err
	}
	d, err := ns[0].Sub(ns[1])
	if err != nil {
		return Example{}, say.Refuse("subtract-more", say.Number("a", say.Given, ns[0]), say.Number("b", say.Given, ns[1]))
	}
	c := columnSubtraction{maker: begin(r, r.Model+" 0"), written: written, a: ns[0], b: ns[1], d: d, low: low,
		has: map[place.Place]int{}}
	for p := place.Smallest; p <= place.Largest; p++ {
		c.has[p] = c.a.Digit(p)
	}
	c.build()
	c.size()
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
	return c.end(written[0].String()+" − "+written[1].String(), d.String())
}

// writtenDifference is the difference as its digits are written: with as many decimals
// as the numbers.
func (c *columnSubtraction) writtenDifference() string {
	return place.Written{Number: c.d, Decimals: int(place.Ones - c.low)}.String()
}

// size asks how large the difference will be, by the largest place alone.
func (c *columnSubtraction) size() {
	top := c.a.Top()
	lead := c.a.Digit(top) - c.b.Digit(top)
	if c.b.Top() > top || lead <= 0 || c.a.Cmp(place.Int(20)) <= 0 {
		return
	}
	bound, _ := top.Value().Times(lead)
	if bound.Cmp(c.a) == 0 {
		return // of course it is less than what it is taken from
	}
	restA, _ := c.a.Sub(c.a.DigitValue(top))
	restB, _ := c.b.Sub(c.b.DigitValue(top))
	id := "minusColumn.size.more"
	switch restA.Cmp(restB) {
	case 0:
		return
	case -1:
		id = "minusColumn.size.less"
	}
	why := id
	if restA.IsZero() {
		why = "minusColumn.size.none"
	}
	c.key(lesson.Step{
		Ask: line("minusColumn.size", text("problem", c.written[0].String()+" − "+c.written[1].String()),
			say.Number("bound", say.Given, bound)),
		Answer: line(why, say.Number("bound", say.Given, bound), say.PlaceName("place", top),
			say.Number("have", say.Given, restA), say.Number("go", say.Given, restB)),
		Look: line("look.first-digits"),
	})
	c.sized, c.bound = id, bound
}

func (c *columnSubtraction) build() {
	id := "minusColumn.only"
	if c.written[0] == c.written[1] {
		id = "minusColumn.same"
	}
	s := lesson.Step{
		Say:  filled(line(id, text("a", c.written[0].String()), text("b", c.written[1].String())), c.low, c.written...),
		Look: line("look.columns"),
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
	first, need, had := from, c.b.Digit(p), c.has[p]
	for ; from > p; from-- {
		to := from - 1
		c.has[from]--
		c.has[to] += 10
		mark := func(p place.Place) lesson.Write {
			w := digitCell("mark", p, c.has[p], board.Select{Place: p})
			w.Text = strconv.Itoa(c.has[p])
			return w
		}
		at := []say.Value{say.PlaceName("place", p), say.PlaceName("from", from), say.PlaceName("to", to),
			say.PlaceName("next", p+1), say.Pieces("left", say.Given, c.has[from], from), say.Pieces("now", say.Given,
				c.has[to], to)}
		s := lesson.Step{
			Say:   line("minusColumn.go-on", at...),
			Look:  line("look.place", say.PlaceName("place", to)),
			Moves: []board.Move{unbundled(from)},
			Write: []lesson.Write{mark(from), mark(to)},
		}
		if from < first {
			c.step(s)
			continue
		}
		id := "minusColumn.open"
		if to > p {
			id = "minusColumn.open.across"
		}
		s.Say = line("minusColumn.need", say.Pieces("has", say.Given, had, p), say.Int("go", say.Given, need))
		s.Ask, s.Answer = line("minusColumn.what"), line(id, at...)
		c.first(s)
	}
	if len(c.opened) > 0 {
		return
	}
	c.opened = []place.Place{first, p}
	form := c.now.Models[0].InPlay()
	still := line("minusColumn.still", text("a", c.written[0].String()))
	if len(form) == 1 {
		c.why(still, line("minusColumn.still.one", say.Form("form", say.Answer, form), text("a", c.written[0].String())))
		return
	}
	var parts []string
	for _, count := range form {
		v, _ := count.Value()
		parts = append(parts, v.String())
	}
	c.why(still, line("minusColumn.still.answer", text("parts", strings.Join(parts, " + ")),
		text("a", c.written[0].String())))
}

// takePlace takes the digit of one place away and writes what is left.
func (c *columnSubtraction) takePlace(p place.Place) {
	take := c.b.Digit(p)
	c.has[p] -= take
	at := say.PlaceName("place", p)
	s := lesson.Step{
		Say:    line("minusColumn.away", say.Pieces("take", say.Given, take, p)),
		Ask:    line("minusColumn.left", at),
		Answer: line("minusColumn.left.write", say.Pieces("left", say.Answer, c.has[p], p), answer("digit", c.has[p]), at),
		Look:   line("look.place", at),
	}
	if take > 0 {
		s.Moves = []board.Move{taken(p, take)}
	} else {
		s.Say = line("minusColumn.none-away", at)
	}
	if p <= c.d.Top() || p <= place.Ones {
		s.Write = []lesson.Write{digitCell("sum", p, c.has[p], board.Select{Place: p})}
	} else {
		s.Answer = line("minusColumn.left.front", at)
	}
	if c.has[p] == 0 && len(s.Write) > 0 {
		s.Answer = line("minusColumn.left.zero", at)
	}
	if take == 0 && !c.b.IsZero() {
		c.step(s) // nothing goes: no question for a class
		return
	}
	c.key(s)
}

// check says the difference, and adds back what was taken.
func (c *columnSubtraction) check() {
	problem := c.written[0].String() + " − " + c.written[1].String()
	s := lesson.Step{
		Ask: line("minusColumn.difference"), Answer: line("minusColumn.difference.answer", answerText("problem", problem),
			answerText("d", c.writtenDifference())),
		Look: line("look.both"), Write: []lesson.Write{c.sentence(problem, c.writtenDifference())},
	}
	c.step(s)
	if len(c.opened) == 0 && c.a.Top() > c.low {
		c.why(line("minusColumn.why.order"), line("minusColumn.why.order.answer"))
	}
	switch {
	case !c.checks:
	case c.r.Options["check"] == "by the estimate" && c.sized != "":
		c.step(lesson.Step{Say: line(c.sized+".so", say.Number("d", say.Given, c.d), say.Number("bound", say.Given,
			c.bound))})
	case c.r.Options["check"] == "by the inverse" && !c.b.IsZero():
		back := lesson.Step{
			Say: line("minusColumn.back", say.Number("b", say.Given, c.b)), Ask: line("minusColumn.back.ask"),
			Answer: line("minusColumn.back.answer", say.Number("d", say.Answer, c.d), say.Number("b", say.Answer, c.b),
				say.Number("a", say.Answer, c.a)),
			Write: []lesson.Write{c.sentence(c.d.String()+" + "+c.b.String(), c.a.String())},
		}
		for _, count := range c.b.UnitForm() {
			back.Moves = append(back.Moves, board.Move{Kind: "restore", Args: pieces.PiecesArgs{
				Pieces: []board.Select{{Place: count.Place, Count: count.Count, State: "taken"}}}})
		}
		back.Moves = append(back.Moves, board.Move{Kind: "fewest"})
		c.step(back)
	}
}
