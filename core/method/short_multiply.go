package method

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// shortMultiply multiplies by one digit, place by place from the smallest up: the pieces
// of a place are there so many times, every ten become one of the next, and the written
// short form grows in step.
var shortMultiply = Spec{
	ID: "short-multiply", Title: "Column multiplication", Operation: "multiply",
	Doc: "A number × one digit: rows of pieces, or each place so many times, gathered from the smallest place up and " +
		"bundled; the written short form grows in step, its marks standing for what was bundled.",
	Args:   "a number and one digit",
	Sample: []string{"126", "x", "4"}, Typed: "126 × 4",
	Limits: "Up to 4 digits and thousandths × 0 to 9. Blocks: whole numbers, product to 9,999.",
	Models: []string{"blocks", "discs"},
	Signs:  "×",
	Options: []Option{
		choice("marks", "Where the regroup marks are written.", "above", "below"),
		choice("form", "The short form at once, or first what each place gives.", "short", "expanded first"),
		choice("check", "How it is checked.", "by the estimate", "none"),
	},
	stops: columnStops,
	make:  makeShortMultiply,
}

// rowsAtMost is how many rows of pieces are laid; more times are laid place by place.
const rowsAtMost = 4

// shortProduct is the problem while its example is made.
type shortProduct struct {
	*maker
	w       place.Written
	n       place.Number
	by      int
	low     place.Place
	product place.Number
	problem string
	// bundled is the place that was bundled first, sized what was said of the size against
	// bound.
	bundled place.Place
	sized   string
	bound   place.Number
}

func makeShortMultiply(r Request) (Example, error) {
	var texts []string
	for _, a := range r.Args {
		if !isSign(a) {
			texts = append(texts, a)
		}
	}
	if len(texts) != 2 {
		return Example{}, needs(r)
	}
	problem := texts[0] + " × " + texts[1]
	if len(texts[0]) == 1 && len(texts[1]) > 1 {
		texts[0], texts[1] = texts[1], texts[0] // 3 × 24 is 24 three times
	}
	w, err := place.Parse(texts[0])
	if err != nil {
		return Example{}, badNumber(err)
	}
	by, err := wholeNumber(texts[1], 0, 9)
	if err != nil {
		return Example{}, err
	}
	if w.Number.Cmp(place.Int(9999)) > 0 && w.Number.Top() > place.Thousands {
		return Example{}, say.Refuse("method-range", say.Number("n", say.Given, w.Number), given("least", 0),
			given("most", 9999))
	}
	if err := fitsModel(r.Model, w.Number); err != nil {
		return Example{}, err
	}
	product, err := w.Times(by)
	if err != nil {
		return Example{}, badNumber(err)
	}
	if err := fitsModel(r.Model, product); err != nil {
		return Example{}, err
	}
	c := shortProduct{maker: begin(r, r.Model+" 0"), w: w, n: w.Number, by: by, low: lowestWritten(w), product: product,
		problem: problem, bundled: place.Largest}
	if c.acts.Reach != nil {
		c.startWith(c.acts.Reach(max(c.n.Top(), c.product.Top(), place.Tens)))
	}
	c.build()
	switch {
	case c.by == 0:
		c.atOnce("multiply.never.answer")
	case product.IsZero():
		c.atOnce("multiply.zero.answer")
	case c.by == 1:
		c.atOnce("multiply.same.answer")
	default:
		c.size()
		if r.Options["form"] == "expanded first" {
			c.expanded()
		}
		carried := 0
		for p := c.low; p <= max(c.n.Top(), c.product.Top()) && (p <= c.n.Top() || carried > 0); p++ {
			carried = c.timesPlace(p, carried)
		}
		c.close()
	}
	c.scene.Marks = r.Options["marks"]
	return c.end(c.problem, c.product.String())
}

func (c *shortProduct) inRows() bool { return c.by >= 1 && c.by <= rowsAtMost }

// build lays the rows, or the number once, and writes the problem.
func (c *shortProduct) build() {
	id := "multiply.once"
	switch {
	case c.by == 0:
		id = "multiply.never"
	case c.by == 1:
		id = "multiply.one-row"
	case c.inRows():
		id = "multiply.rows"
	}
	s := lesson.Step{
		Say:  line(id, text("n", c.w.String()), given("by", c.by)),
		Look: line("look.columns"),
	}
	rows := 1
	if c.inRows() {
		rows = c.by
	}
	for row := 1; row <= rows && c.by > 0; row++ {
		part := row
		if !c.inRows() {
			part = 0
		}
		for _, count := range c.n.UnitForm() {
			s.Moves = append(s.Moves, c.lay(count.Count, count.Place, part)...)
		}
	}
	for p := c.n.Top(); p >= c.low; p-- {
		w := digitCell("addend 1", p, c.n.Digit(p), partly(p, 1))
		if !c.inRows() {
			w.Stands = nil
		}
		s.Write = append(s.Write, w)
	}
	s.Write = append(s.Write, lesson.Write{Kind: "cell", Row: "addend 2", Text: "×"},
		digitCell("addend 2", place.Ones, c.by, board.Select{}))
	s.Write[len(s.Write)-1].Stands = nil
	c.step(s)
}

// atOnce is a product by 0 or 1, which nothing need be counted for.
func (c *shortProduct) atOnce(because string) {
	s := lesson.Step{Ask: line("multiply.none"), Answer: line(because, text("n", c.w.String()))}
	low, top, product := c.low, c.n.Top(), c.w.String()
	if c.product.IsZero() {
		low, top, product = place.Ones, place.Ones, "0"
	}
	for p := low; p <= top; p++ {
		s.Write = append(s.Write, digitCell("sum", p, c.product.Digit(p), board.Select{Place: p}))
	}
	s.Write = append(s.Write, c.sentence(c.problem, product))
	c.first(s)
}

// size asks how large the product will be, by the number rounded to its largest place.
func (c *shortProduct) size() {
	top := c.n.Top()
	unit, _ := top.Value().Whole()
	if c.by < 2 || top <= place.Ones || c.product.Cmp(place.Int(20)) <= 0 {
		return
	}
	count := c.n.Count(top)
	if rest, err := c.n.Sub(c.n.DigitValue(top)); err == nil && rest.Count(top-1) >= 5 {
		count++
	}
	round := place.Int(count * unit)
	bound, err := round.Times(c.by)
	if err != nil || round == c.n || bound == c.product {
		return
	}
	c.bound, c.sized = bound, "multiply.size.more"
	if c.n.Cmp(round) < 0 {
		c.sized = "multiply.size.less"
	}
	c.key(lesson.Step{
		Ask: line("multiply.size", text("problem", c.problem), say.Number("bound", say.Given, bound)),
		Answer: line(c.sized, given("by", c.by), say.Number("round", say.Given, round), text("n", c.w.String()),
			say.Number("bound", say.Given, bound)),
		Look: line("look.first-digits"),
	})
}

// expanded writes what each place gives, the largest first.
func (c *shortProduct) expanded() {
	s := lesson.Step{Say: line("multiply.each-place"), Ask: line("multiply.parts", given("by", c.by)),
		Answer: line("multiply.parts.answer", answerText("parts", c.partProducts()))}
	for p := c.n.Top(); p >= lowest(c.n); p-- {
		if v := c.n.DigitValue(p); !v.IsZero() {
			part, _ := v.Times(c.by)
			s.Write = append(s.Write, c.sentence(v.String()+" × "+strconv.Itoa(c.by), part.String()))
		}
	}
	c.key(s)
}

func (c *shortProduct) partProducts() string {
	var parts []string
	for p := c.n.Top(); p >= lowest(c.n); p-- {
		if v := c.n.DigitValue(p); !v.IsZero() {
			part, _ := v.Times(c.by)
			parts = append(parts, part.String())
		}
	}
	return say.Listed(parts)
}

// timesPlace gathers one place. carried is how many new pieces came from the place
// before; the result is how many this place makes for the next.
func (c *shortProduct) timesPlace(p place.Place, carried int) int {
	d := c.n.Digit(p)
	sum := d*c.by + carried
	at := say.PlaceName("place", p)
	s := lesson.Step{Look: line("look.place", at)}
	if c.inRows() && c.acts.Join != nil {
		s.Moves = append(s.Moves, c.acts.Join(p))
	}
	if carried > 0 {
		s.Moves = append(s.Moves, board.Move{Kind: "counted"})
	}
	if !c.inRows() && d > 0 {
		s.Moves = append(s.Moves, c.lay(d*(c.by-1), p, 0)...)
	}
	id := "multiply.place.answer"
	switch {
	case d == 0 && carried == 0:
		s.Say = line("multiply.empty", at)
	case d == 0 || p > c.n.Top():
		s.Ask, id = line("multiply.new", at), "multiply.new.answer"
	case carried > 0:
		id = "multiply.place.new"
	}
	if s.Say.IsZero() {
		here := []say.Value{given("by", c.by), say.Pieces("pieces", say.Given, d, p)}
		if s.Ask.IsZero() {
			s.Ask = line("multiply.place", here...)
		}
		s.Answer = line(id, append(here, say.Pieces("product", say.Answer, d*c.by, p), given("carried", carried),
			say.Pieces("sum", say.Answer, sum, p))...)
	}
	if sum < 10 {
		s.Write = []lesson.Write{digitCell("sum", p, sum, board.Select{Place: p})}
		c.key(s)
		return 0
	}
	c.key(s)
	c.bundle(p, sum)
	return sum / 10
}

// bundle makes every ten of a place into one of the next, and writes what stays and the
// mark.
func (c *shortProduct) bundle(p place.Place, sum int) {
	var stands []board.Select
	if c.inRows() {
		stands = newPieces(p + 1)
	}
	s := regroup(p, sum, stands)
	if c.bundled == place.Largest {
		c.bundled = p
		c.first(s)
		return
	}
	c.step(s)
}

// close reads the product, explains, and looks at the estimate again.
func (c *shortProduct) close() {
	written := place.Written{Number: c.product, Decimals: int(place.Ones - c.low)}.String()
	c.step(lesson.Step{
		Say: line("columnAdd.whole"), Ask: line("multiply.read"), Answer: line("columnAdd.read.answer",
			say.Form("form", say.Answer, c.now.Models[0].InPlay()), answerText("sum", written)),
		Look: line("look.both"), Moves: []board.Move{{Kind: "tidy"}}, Write: []lesson.Write{c.sentence(c.problem, written)},
	})
	if c.bundled < place.Largest {
		c.whyMark(c.bundled, c.n.Digit(c.bundled)*c.by/10) // nothing was carried to it
	} else if c.by > 1 && c.n.Top() > c.low {
		c.why(line("multiply.why.places"), line("multiply.why.places.answer"))
	}
	if c.checks && c.sized != "" {
		c.step(lesson.Step{Say: line(c.sized+".so", text("sum", written), say.Number("bound", say.Given, c.bound))})
	}
}
