package method

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// columnAdd builds the addends, largest place first, and joins them from the
// smallest place up. Ten or more of a place are seen as making ten: with 6 and
// 7, the 6 takes 4 of the 7. The ten is ringed across the addends, bundled, and
// left crossed out, so that nobody counts it twice.
var columnAdd = Spec{
	ID: "column-add", Title: "Column addition", Operation: "add",
	Doc: "Build the addends, join them place by place from the smallest up, and bundle wherever there are ten or " +
		"more. The written column method grows in step.",
	Args:   "two to four numbers",
	Sample: []string{"146", "87"}, Typed: "146 + 87",
	Limits: "Two to four addends. Blocks: whole numbers, sum to 9,999; discs: sum to 9,999,999, decimals to thousandths.",
	Models: []string{"blocks", "discs"},
	Options: []Option{
		choice("marks", "Where the regroup marks are written.", "above", "below"),
		choice("style", "How the blocks look.", "solid", "sketch"),
		choice("check", "How it is checked.", "by the estimate", "another order", "none"),
	},
	Signs: "+",
	stops: columnStops,
	make:  makeColumnAdd,
}

// columnAddition is the problem while its example is made.
type columnAddition struct {
	*maker
	written []place.Written
	addends []place.Number
	sum     place.Number
	// over are the places that make ten or more; sized is what was said of the size
	// before, against bound.
	over  []place.Place
	sized string
	bound place.Number
	low   place.Place
}

func makeColumnAdd(r Request) (Example, error) {
	c := columnAddition{}
	var err error
	if c.written, c.sum, c.low, err = columnAddends(r); err != nil {
		return Example{}, err
	}
	c.addends = numbersOf(c.written)
	top := c.top()
	c.maker = begin(r, r.Model+" 0")
	if c.acts.Reach != nil {
		c.startWith(c.acts.Reach(max(top, place.Tens)))
	}
	if c.acts.Sketch != nil && r.Options["style"] == "sketch" {
		c.startWith(c.acts.Sketch())
	}
	for i := range c.addends {
		c.buildAddend(i)
	}
	c.size()
	c.foretell()
	carried := 0
	for p := c.low; p <= max(top, c.sum.Top()) && (p <= top || carried > 0); p++ {
		carried = c.addPlace(p, carried)
	}
	c.check()
	c.scene.Marks = r.Options["marks"]
	return c.end(c.problem(), c.sum.String())
}

func (c *columnAddition) problem() string {
	texts := make([]string, len(c.written))
	for i, w := range c.written {
		texts[i] = w.String()
	}
	return strings.Join(texts, " + ")
}

// top is the largest place that an addend reaches.
func (c *columnAddition) top() place.Place {
	top := place.Ones
	for _, n := range c.addends {
		top = max(top, n.Top())
	}
	return top
}

// writtenSum is the sum as its digits are written: with as many decimals as the addends.
func (c *columnAddition) writtenSum() place.Written {
	return place.Written{Number: c.sum, Decimals: int(place.Ones - c.low)}
}

func columnAddends(r Request) (ns []place.Written, sum place.Number, low place.Place, err error) {
	numbers := 0
	for _, a := range r.Args {
		if !isSign(a) {
			numbers++
		} else if a != "+" {
			return nil, sum, low, say.Refuse("need-two")
		}
	}
	if numbers < 2 || numbers > 4 {
		return nil, sum, low, say.Refuse("need-two")
	}
	if ns, low, err = columnNumbers(r, 2, 4); err != nil {
		return nil, sum, low, err
	}
	for _, n := range ns {
		if sum, err = sum.Add(n.Number); err != nil {
			return nil, sum, low, sumTooLarge(ns, 9_999_999)
		}
	}
	if spec := specOf(r.Model); spec.Most > 0 && sum.Cmp(place.Int(spec.Most)) > 0 {
		return nil, sum, low, sumTooLarge(ns, spec.Most)
	}
	return ns, sum, low, nil
}

func sumTooLarge(ns []place.Written, most int) error {
	return say.Refuse("sum-too-large", text("a", ns[0].String()), text("b", ns[1].String()),
		say.Int("most", say.Given, most))
}

// digits are those of a place, of each addend.
func (c *columnAddition) digits(p place.Place) []int {
	out := make([]int, len(c.addends))
	for i, n := range c.addends {
		out[i] = n.Digit(p)
	}
	return out
}

func sumOf(ns []int) int {
	total := 0
	for _, n := range ns {
		total += n
	}
	return total
}

// size asks how large the sum will be, by the largest places alone: do the rest make
// one more?
func (c *columnAddition) size() {
	top := c.top()
	if c.sum.Cmp(place.Int(20)) <= 0 || top == c.low {
		return
	}
	var lead place.Number
	var rests []string
	for _, n := range c.addends {
		whole, _ := top.Value().Times(n.Count(top))
		lead, _ = lead.Add(whole)
		if rest, _ := n.Sub(whole); !rest.IsZero() {
			rests = append(rests, rest.String())
		}
	}
	bound, err := lead.Add(top.Value())
	if err != nil || c.sum == bound || len(rests) == 0 {
		return
	}
	c.bound, c.sized = bound, "columnAdd.size.more"
	if c.sum.Cmp(bound) < 0 {
		c.sized = "columnAdd.size.less"
	}
	c.key(lesson.Step{
		Ask: line("columnAdd.size", text("problem", c.problem()), say.Number("bound", say.Given, bound)),
		Answer: line(c.sized, say.Number("bound", say.Given, bound), text("rests", say.Listed(rests)),
			given("count", len(rests)),
			say.Number("one", say.Given, top.Value())),
		Look: line("look.first-digits"),
	})
}

// foretell asks which places will make a new one of the next.
func (c *columnAddition) foretell() {
	carried := 0
	for p := c.low; p <= max(c.top(), c.sum.Top()); p++ {
		carried = (sumOf(c.digits(p)) + carried) / 10
		if carried > 0 {
			c.over = append(c.over, p)
		}
	}
	var names []string
	for _, p := range c.over {
		names = append(names, c.r.words().PlaceName(p, 2))
	}
	s := lesson.Step{Ask: line("columnAdd.which"), Answer: line("columnAdd.which.answer",
		answerText("places", say.Listed(names))),
		Look: line("look.place-by-place")}
	if len(names) == 0 {
		s.Answer = line("columnAdd.which.none")
	}
	c.first(s)
}

// addendSaid is what is said of each addend, and of one that is 0.
var addendSaid = [4][2]string{
	{"columnAdd.one", "columnAdd.only-written"},
	{"columnAdd.below", "columnAdd.only-below"},
	{"columnAdd.then", "columnAdd.only-then"},
	{"columnAdd.last", "columnAdd.only-last"},
}

// buildAddend puts an addend in its row and writes it.
func (c *columnAddition) buildAddend(i int) {
	n, part := c.addends[i], i+1
	said, look := addendSaid[i][0], "look.columns"
	switch {
	case n.IsZero():
		said = addendSaid[i][1]
	case !slices.ContainsFunc(c.addends[:i], func(before place.Number) bool { return !before.IsZero() }):
		said = addendSaid[0][0]
	}
	row := "addend " + strconv.Itoa(part)
	if i > 0 {
		look = "look.rows"
	}
	s := lesson.Step{Say: filled(line(said, text("n", c.written[i].String())), c.low, c.written[i]), Look: line(look)}
	if i == len(c.addends)-1 {
		s.Write = append(s.Write, lesson.Write{Kind: "cell", Row: row, Text: "+"})
	}
	for _, count := range n.UnitForm() {
		s.Moves = append(s.Moves, c.lay(count.Count, count.Place, part)...)
	}
	for p := n.Top(); p >= c.low; p-- {
		s.Write = append(s.Write, digitCell(row, p, n.Digit(p), partly(p, part)))
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

// addPlace joins one place. carried is how many new pieces came from the place
// before; the result is how many this place makes for the next.
func (c *columnAddition) addPlace(p place.Place, carried int) int {
	ds := c.digits(p)
	sum := sumOf(ds) + carried
	s := lesson.Step{Say: c.joinLine(p, carried), Look: line("look.place", say.PlaceName("place", p))}
	if c.acts.Join != nil {
		s.Moves = append(s.Moves, c.acts.Join(p))
	}
	if carried > 0 {
		s.Moves = append(s.Moves, board.Move{Kind: "counted"})
	}
	if sum < 10 {
		s.Ask = line("columnAdd.altogether", say.PlaceName("place", p))
		s.Answer = line("columnAdd.altogether.answer", say.Pieces("sum", say.Answer, sum, p), answer("digit", sum),
			say.PlaceName("place", p))
		s.Write = []lesson.Write{c.sumCell(p, sum)}
		c.step(s)
		return 0
	}
	if len(ds) == 2 && sum < 20 {
		c.makeTen(s, p, ds, sum)
		c.bundle(p, 1, sum-10)
		return 1
	}
	c.makeTens(s, p, sum)
	c.bundle(p, sum/10, sum%10)
	return sum / 10
}

// joinLine names what lies in the place: each addend that reaches so far, and
// the new pieces.
func (c *columnAddition) joinLine(p place.Place, carried int) say.Line {
	var parts []string
	for _, n := range c.addends {
		if p <= n.Top() {
			parts = append(parts, strconv.Itoa(n.Digit(p)))
		}
	}
	at := say.PlaceName("place", p)
	switch {
	case carried > 0 && len(parts) == 0:
		return line("columnAdd.put.new", at, given("new", carried))
	case carried > 0:
		return line("columnAdd.put.and-new", at, say.Text("list", say.Part, say.Listed(parts)), given("new", carried))
	case len(parts) == 1:
		return line("columnAdd.put.one", at, say.Text("list", say.Part, parts[0]))
	}
	return line("columnAdd.put", at, say.Text("list", say.Part, say.Listed(parts)))
}

// makeTen asks what fills the first addend up to ten, and rings the ten.
func (c *columnAddition) makeTen(s lesson.Step, p place.Place, ds []int, sum int) {
	base := ds[0]
	if base == 0 {
		base = ds[1]
	}
	left := sum - 10
	id := "columnAdd.fill.answer"
	if left == 0 {
		id = "columnAdd.fill.none"
	}
	s.Ask = line("columnAdd.fill", say.Pieces("p", say.Part, base, p), say.PlaceName("place", p))
	s.Answer = line(id, answer("more", 10-base), answer("left", left), say.PlaceName("place", p))
	s.Look = line("look.ring")
	s.Moves = append(s.Moves, ringed(p, 10))
	c.key(s)
}

// makeTens asks how many tens there are, and rings the first.
func (c *columnAddition) makeTens(s lesson.Step, p place.Place, sum int) {
	s.Ask = line("columnAdd.tens", say.PlaceName("place", p))
	id := "columnAdd.tens.many"
	if sum < 20 {
		id = "columnAdd.tens.once"
	}
	if sum%10 == 0 {
		id += ".none"
	}
	s.Answer = line(id, say.Pieces("sum", say.Answer, sum, p), answer("tens", sum/10),
		answer("left", sum%10))
	s.Look = line("look.ring")
	s.Moves = append(s.Moves, ringed(p, 10))
	c.key(s)
}

// bundle makes tens of a place into pieces of the next, and writes what stays
// and the mark.
func (c *columnAddition) bundle(p place.Place, tens, left int) {
	s := regroup(p, 10*tens+left, newPieces(p+1))
	if p == c.over[0] {
		c.first(s)
		return
	}
	c.step(s)
}

func (c *columnAddition) sumCell(p place.Place, digit int) lesson.Write {
	return digitCell("sum", p, digit, board.Select{Place: p})
}

// whyMark asks what the mark stands for that came of a place.
func (m *maker) whyMark(p place.Place, mark int) {
	because := line("columnAdd.why.answer", say.PlaceName("place", p), say.PlaceName("next", p+1))
	if mark > 1 {
		because = line("columnAdd.why.many", say.Pieces("all", say.Answer, 10*mark, p),
			say.Pieces("new", say.Answer, mark, p+1))
	}
	m.why(line("columnAdd.why", say.PlaceName("next", p+1)), because)
}

// check says the sum, and looks at it again.
func (c *columnAddition) check() {
	form, sum := c.now.Models[0].InPlay(), c.writtenSum().String()
	c.key(lesson.Step{
		Say: line("columnAdd.whole"), Ask: line("columnAdd.read"),
		Answer: line("columnAdd.read.answer", say.Form("form", say.Answer, form), answerText("sum", sum)),
		Look:   line("look.both"),
		Moves:  []board.Move{{Kind: "tidy"}},
		Write:  []lesson.Write{c.sentence(c.problem(), sum)},
	})
	if len(c.over) > 0 {
		p := c.over[0] // nothing was carried to it
		c.whyMark(p, sumOf(c.digits(p))/10)
	} else {
		c.why(line("columnAdd.why.under", say.PlaceName("place", c.low)), line("columnAdd.why.under.answer"))
	}
	switch {
	case !c.checks:
	case c.r.Options["check"] == "by the estimate" && c.sized != "":
		c.step(lesson.Step{Say: line(c.sized+".so", text("sum", sum), say.Number("bound", say.Given, c.bound))})
	case c.r.Options["check"] == "another order":
		var turned []string
		for _, w := range slices.Backward(c.written) {
			turned = append(turned, w.String())
		}
		c.step(lesson.Step{
			Say: line("columnAdd.turned", text("turned", strings.Join(turned, " + "))), Ask: line("columnAdd.turned.ask"),
			Answer: line("columnAdd.turned.answer", answerText("sum", sum)),
			Moves:  c.rebuilt(turned),
			Write:  []lesson.Write{c.sentence(strings.Join(turned, " + "), sum)},
		})
	}
}

// rebuilt puts the addends down in another order, and together.
func (c *columnAddition) rebuilt(texts []string) []board.Move {
	moves := []board.Move{c.acts.Build(texts[0])}
	for _, t := range texts[1:] {
		moves = append(moves, board.Move{Kind: "place", Args: pieces.AmountArgs{Amount: t}})
	}
	return append(moves, board.Move{Kind: "fewest"})
}
