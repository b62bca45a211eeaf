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
		{"marks", "Where the regroup marks are written.", []string{"above", "below"}},
		{"style", "How the blocks look.", []string{"solid", "sketch"}},
	},
	make: makeColumnAdd,
}

// columnAddition is the problem while its example is made.
type columnAddition struct {
	*maker
	addends []place.Number
	sum     place.Number
	low     place.Place
}

func makeColumnAdd(r Request) (Example, error) {
	c := columnAddition{}
	var err error
	if c.addends, c.sum, c.low, err = columnAddends(r); err != nil {
		return Example{}, err
	}
	top := c.top()
	c.maker = begin(r, r.Model+" 0")
	if c.acts.Reach != nil {
		c.startWith(c.acts.Reach(max(top, place.Tens)))
	}
	if c.acts.Sketch != nil && r.Options["style"] == "sketch" {
		c.startWith(c.acts.Sketch())
	}
	c.predict()
	for i := range c.addends {
		c.buildAddend(i)
	}
	carried := 0
	for p := c.low; p <= max(top, c.sum.Top()) && (p <= top || carried > 0); p++ {
		carried = c.addPlace(p, carried)
	}
	c.check()
	c.scene.Marks = r.Options["marks"]
	return c.end(c.problem(), c.sum.String())
}

func (c *columnAddition) problem() string {
	texts := make([]string, len(c.addends))
	for i, n := range c.addends {
		texts[i] = n.String()
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

func columnAddends(r Request) (ns []place.Number, sum place.Number, low place.Place, err error) {
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
		if sum, err = sum.Add(n); err != nil {
			return nil, sum, low, sumTooLarge(ns, 9_999_999)
		}
	}
	if spec := specOf(r.Model); spec.Most > 0 && sum.Cmp(place.Int(spec.Most)) > 0 {
		return nil, sum, low, sumTooLarge(ns, spec.Most)
	}
	return ns, sum, low, nil
}

func sumTooLarge(ns []place.Number, most int) error {
	return say.Refuse("sum-too-large", say.Number("a", say.Given, ns[0]), say.Number("b", say.Given, ns[1]),
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

// predict asks what the digits tell before anything is built.
func (c *columnAddition) predict() {
	ds := c.digits(c.low)
	digits := "1 digit"
	if n := len(strings.ReplaceAll(c.sum.String(), ".", "")); n > 1 {
		digits = strconv.Itoa(n) + " digits"
	}
	if len(c.addends) > 2 {
		c.key(lesson.Step{
			Say: line("columnAdd.predictMany", text("problem", c.problem())), Ask: line("columnAdd.predictMany.ask"),
			Answer: line("columnAdd.predictMany.answer", answerText("digits", digits)), Look: line("look.digits"),
		})
		return
	}
	id := "columnAdd.predict.no"
	if sumOf(ds) >= 10 {
		id = "columnAdd.predict.yes"
	}
	ask := line("columnAdd.predict.ask")
	if c.low != place.Ones {
		ask = line("columnAdd.predict.askPlace", say.PlaceName("place", c.low), say.PlaceName("next", c.low+1))
	}
	c.key(lesson.Step{
		Say: line("columnAdd.predict", say.Number("a", say.Given, c.addends[0]), say.Number("b", say.Given, c.addends[1])),
		Ask: ask,
		Answer: line(id, say.Pieces("p", say.Given, ds[0], c.low), say.Pieces("q", say.Given, ds[1], c.low),
			say.PlaceName("next", c.low+1), answerText("digits", digits)),
		Look: line("look.digits"),
	})
}

// buildAddend puts an addend in its row and writes it.
func (c *columnAddition) buildAddend(i int) {
	n, part := c.addends[i], i+1
	s := lesson.Step{
		Say: line("columnAdd.first", say.Number("n", say.Given, n)), Look: line("look.columns"),
		Ask:    line("columnAdd.build.ask", say.Number("n", say.Given, n)),
		Answer: line("columnAdd.build.answer", say.Form("form", say.Answer, n.UnitForm())),
	}
	row := "addend " + strconv.Itoa(part)
	if i > 0 {
		s.Say, s.Look = line("columnAdd.second", say.Number("n", say.Given, n),
			say.Number("above", say.Given, c.addends[i-1])), line("look.rows")
	}
	if i == len(c.addends)-1 {
		s.Write = append(s.Write, lesson.Write{Kind: "cell", Row: row, Text: "+"})
	}
	if n.IsZero() {
		s.Answer = line("columnAdd.build.nothing")
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
		s.Ask = line("columnAdd.many.ask", say.PlaceName("place", p))
		s.Answer = line("columnAdd.many.answer", say.Pieces("sum", say.Answer, sum, p), answer("digit", sum),
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
	if len(c.addends) > 2 || carried > 1 {
		var parts []string
		for _, n := range c.addends {
			if p <= n.Top() {
				parts = append(parts, strconv.Itoa(n.Digit(p)))
			}
		}
		if carried > 0 {
			parts = append(parts, strconv.Itoa(carried)+" new")
		}
		return line("columnAdd.join.list", say.PlaceName("place", p), say.Text("list", say.Part, strings.Join(parts, ", ")))
	}
	id, values := "columnAdd.join.", []say.Value{say.PlaceName("place", p)}
	name := "p"
	for _, n := range c.addends {
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
func (c *columnAddition) makeTen(s lesson.Step, p place.Place, ds []int, sum int) {
	base := ds[0]
	if base == 0 {
		base = ds[1]
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
	s.Answer = line(id, answer("more", 10-base), part("base", base), answer("left", left))
	s.Look = line("look.ring")
	s.Moves = append(s.Moves, ringed(p, 10))
	c.key(s)
}

// makeTens asks how many tens there are, and rings the first.
func (c *columnAddition) makeTens(s lesson.Step, p place.Place, sum int) {
	s.Ask = line("columnAdd.tens.ask", say.PlaceName("place", p))
	s.Answer = line("columnAdd.tens.answer", say.Pieces("sum", say.Answer, sum, p), answer("tens", sum/10),
		answer("left", sum%10))
	s.Look = line("look.ring")
	s.Moves = append(s.Moves, ringed(p, 10))
	c.key(s)
}

// bundle makes tens of a place into pieces of the next, and writes what stays
// and the mark.
func (c *columnAddition) bundle(p place.Place, tens, left int) {
	none := 0
	next := p + 1
	mark := digitCell("mark", next, tens, board.Select{Place: next, Part: &none, State: "any"})
	id, asked, said := "columnAdd.bundle", "columnAdd.bundle.ask", "columnAdd.bundle.answer"
	if tens > 1 {
		id, asked, said = "columnAdd.bundleMany", "columnAdd.bundleMany.ask", "columnAdd.bundleMany.answer"
	}
	s := lesson.Step{
		Say: line(id, say.PlaceName("place", p), say.PlaceName("next", next)),
		Ask: line(asked, say.PlaceName("next", next)),
		Answer: line(said, say.PlaceName("next", next), answer("digit", left), answer("tens", tens),
			say.PlaceName("place", p)),
		Look:  line("look.new", say.PlaceName("next", next)),
		Write: []lesson.Write{c.sumCell(p, left), mark},
	}
	for range tens {
		s.Moves = append(s.Moves, board.Move{Kind: "bundle", Args: pieces.BundleArgs{Place: p, Trace: true}})
	}
	c.step(s)
}

func (c *columnAddition) sumCell(p place.Place, digit int) lesson.Write {
	return digitCell("sum", p, digit, board.Select{Place: p})
}

// check reads the pieces and the written answer, each on its own.
func (c *columnAddition) check() {
	form := c.now.Models[0].InPlay()
	c.key(lesson.Step{
		Say:    line("columnAdd.check"),
		Ask:    line("columnAdd.check.ask"),
		Answer: line("columnAdd.check.answer", say.Form("form", say.Answer, form), say.Number("sum", say.Answer, c.sum)),
		Look:   line("look.both"),
		Moves:  []board.Move{{Kind: "tidy"}},
		Write:  []lesson.Write{c.sentence(c.problem(), c.sum.String())},
	})
}
