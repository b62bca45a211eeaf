package method

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/model/blocks"
	"unitbloom/core/model/cubes"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// columnSubtract builds only the minuend and takes away from the smallest place
// up. Where there are too few, one of the next is exchanged, across zeros too,
// each stage seen; taken pieces leave a trace.
var columnSubtract = Spec{
	ID: "column-subtract", Title: "Column subtraction", Operation: "subtract",
	Doc:    "Only the first number is built; the second is taken away, smallest place first, exchanging as you go or first of all, across several zeros too. The written method grows in step; checked by adding back.",
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

// columnNumbers reads the numbers of a column method and the smallest place
// that they need.
func columnNumbers(r Request, least, most int) ([]place.Number, place.Place, error) {
	var ns []place.Number
	low := place.Ones
	for _, a := range r.Args {
		if isSign(a) {
			continue
		}
		w, err := place.Parse(a)
		if err != nil {
			return nil, low, badNumber(err)
		}
		whole, isWhole := w.Whole()
		if r.Model == "blocks" && (!isWhole || whole > 9999) {
			return nil, low, say.Refuse("method-holds", say.Number("n", say.Given, w.Number), say.Text("model", say.Name, "blocks"), say.Int("most", say.Given, 9999))
		}
		ns = append(ns, w.Number)
		for p := place.Smallest; p < low; p++ {
			if w.Digit(p) != 0 {
				low = p
			}
		}
	}
	if len(ns) < least || len(ns) > most {
		return nil, low, needs(r)
	}
	return ns, low, nil
}

// predict asks whether the smallest place has enough.
func (c *columnSubtraction) predict() {
	p, q := c.a.Digit(c.low), c.b.Digit(c.low)
	id := "minusColumn.enough"
	if p < q {
		id = "minusColumn.short"
	}
	c.key(lesson.Step{
		Say: line("minusColumn.start", say.Number("a", say.Given, c.a), say.Number("b", say.Given, c.b)),
		Ask: line("minusColumn.predict", say.PlaceName("place", c.low)), Answer: line(id, say.Pieces("p", say.Given, p, c.low), say.Pieces("q", say.Given, q, c.low)),
		Look: line("look.digits"),
	})
}

func (c *columnSubtraction) build() {
	s := lesson.Step{
		Say: line("minusColumn.build", say.Number("a", say.Given, c.a)),
		Ask: line("columnAdd.build.ask", say.Number("n", say.Given, c.a)), Answer: line("columnAdd.build.answer", say.Form("form", say.Answer, c.a.UnitForm())),
		Look: line("look.columns"),
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
			Answer: line("minusColumn.exchange.answer", say.Pieces("left", say.Answer, c.has[from], from), say.Pieces("now", say.Answer, c.has[to], to)),
			Look:   line("look.place", say.PlaceName("place", to)),
			Moves:  []board.Move{unbundled(from)},
			Write:  []lesson.Write{mark(from), mark(to)},
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
		Ask: line("minusColumn.left", say.PlaceName("place", p)), Answer: line("minusColumn.left.answer", say.Pieces("left", say.Answer, c.has[p], p), answer("digit", c.has[p]), say.PlaceName("place", p)),
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
		Answer: line("minusColumn.check.answer", say.Number("d", say.Answer, c.d), say.Number("b", say.Answer, c.b), say.Number("a", say.Answer, c.a)),
		Look:   line("look.both"),
		Write: []lesson.Write{
			c.sentence(c.a.String()+" − "+c.b.String(), c.d.String()),
			c.sentence(c.d.String()+" + "+c.b.String(), c.a.String()),
		},
	})
}

// difference compares two numbers: what one has more than the other, seen in two
// rows and counted up from the smaller.
var difference = Spec{
	ID: "difference", Title: "What is the difference?", Operation: "subtract",
	Doc:    "Two rows aligned, what one has more, and the shorter counted up; larger numbers counted up from the smaller to the next ten, the next hundred, and on.",
	Args:   "two numbers",
	Sample: []string{"63", "28"}, Typed: "63, 28",
	Limits: "Cubes in two rows: 1 to 20; blocks: whole numbers to 9,999.",
	Models: []string{"cubes", "blocks"},
	make:   makeDifference,
	read:   count.read,
}

func makeDifference(r Request) (Example, error) {
	limit := [2]int{0, 9999}
	if r.Model == "cubes" {
		limit = [2]int{1, cubes.MaxTrain}
	}
	a, err := arguments(r, limit, limit)
	if err != nil {
		return Example{}, err
	}
	m := begin(r, r.Model+" 0")
	big, small := max(a[0], a[1]), min(a[0], a[1])
	if r.Model == "cubes" {
		m.scene.Show = []string{} // both rows together are no number of the problem
		m.twoRows(a[0], a[1])
	} else {
		m.countUp(big, small)
	}
	m.key(lesson.Step{
		Say: line("gap.check"), Ask: line("gap.check.ask"), Answer: line("gap.check.answer", answer("d", big-small), part("big", big), part("small", small)),
		Write: []lesson.Write{m.sentence(minusText(big, small), strconv.Itoa(big-small)), m.sentence(sumText([2]int{small, big - small}), strconv.Itoa(big))},
	})
	e, err := m.end(strconv.Itoa(a[0])+" and "+strconv.Itoa(a[1]), strconv.Itoa(big-small))
	e.like = borrowings(big, small)
	return e, err
}

// borrowings are the places where the smaller number has more than the larger,
// with what was needed there before.
func borrowings(big, small int) string {
	out, borrowed := "", 0
	for p := place.Ones; big > 0 || small > 0; p++ {
		if big%10-borrowed < small%10 {
			out += p.String() + " "
			borrowed = 1
		} else {
			borrowed = 0
		}
		big, small = big/10, small/10
	}
	return out
}

// twoRows lays two numbers as rows of cubes, rings what one has more, and counts
// the shorter up.
func (m *maker) twoRows(a, b int) {
	big, small, longer, shorter := a, b, 1, 2
	if b > a {
		big, small, longer, shorter = b, a, 2, 1
	}
	d := big - small
	s := lesson.Step{
		Say: line("gap.rows", given("a", a), given("b", b)), Ask: line("gap.rows.ask"), Answer: line("gap.rows.answer", part("big", big), part("small", small)),
		Moves: []board.Move{{Kind: "place", Args: cubes.TrainArgs{Count: a, Part: 1}}, {Kind: "place", Args: cubes.TrainArgs{Count: b, Part: 2}}},
	}
	if d == 0 {
		s.Answer = line("gap.rows.alike", part("big", big))
	}
	m.key(s)
	s = lesson.Step{
		Say: line("gap.partners"), Ask: line("gap.partners.ask"), Answer: line("gap.partners.answer", answer("d", d), part("big", big), part("small", small)),
		Look: line("look.rows-end"),
	}
	if d > 0 {
		slots := make([]int, d)
		for i := range slots {
			slots[i] = small + i
		}
		s.Moves = []board.Move{{Kind: "ring", Args: pieces.RingArgs{Pieces: []board.Select{{Part: &longer, Slots: slots}}}}}
	}
	m.key(s)
	if d > 0 {
		m.step(lesson.Step{
			Say: line("gap.up", part("small", small)), Ask: line("gap.up.ask"), Answer: line("gap.up.answer", answer("d", d), part("small", small), answer("big", big)),
			Moves: []board.Move{{Kind: "add", Args: cubes.AddArgs{Train: shorter, Count: d, Part: 3}}},
		})
	}
}

// countUp builds the smaller number and goes up to the larger in jumps.
func (m *maker) countUp(big, small int) {
	ask, foretold := foretellGap(big, small)
	s := lesson.Step{
		Say: line("gap.start", given("big", big), given("small", small)), Ask: ask, Answer: foretold,
		Write: []lesson.Write{{Kind: "text", Text: strconv.Itoa(small) + " + □ = " + strconv.Itoa(big)}},
	}
	for _, c := range place.Int(small).UnitForm() {
		s.Moves = append(s.Moves, m.lay(c.Count, c.Place, 1)...)
	}
	m.key(s)
	now := small
	for now < big {
		jump, p := nextJump(now, big)
		now += jump
		m.step(lesson.Step{
			Say: line("gap.jump", say.PlaceName("place", p)), Ask: line("gap.ask", part("from", now-jump)),
			Answer: line("gap.answer", answer("jump", jump), answer("now", now)),
			Moves:  m.lay(jump/whole(p), p, 2),
			Write:  []lesson.Write{row("+"+strconv.Itoa(jump), strconv.Itoa(now))},
		})
	}
}

// foretellGap asks for a difference before it is counted: by the largest place,
// and by what comes after it.
func foretellGap(big, small int) (ask, foretold say.Line) {
	p := place.Int(big).Top()
	unit := whole(p)
	lead := (big/unit - small/unit) * unit
	if p == place.Ones || lead == 0 {
		return line("gap.predict"), line("gap.predict.answer", given("big", big))
	}
	id := "gap.predict.even"
	switch {
	case big%unit > small%unit:
		id = "gap.predict.more"
	case big%unit < small%unit:
		id = "gap.predict.less"
	}
	at := say.PlaceName("place", p)
	return line("gap.predict.lead", at, given("lead", lead)), line(id, at, given("big", big), given("small", small), given("lead", lead))
}

func whole(p place.Place) int { n, _ := p.Value().Whole(); return n }

// nextJump is the next step up: to the next ten, hundred or thousand while it is
// not past the goal, then down the places to the goal.
func nextJump(now, goal int) (int, place.Place) {
	for p := place.Ones; p <= place.Hundreds; p++ {
		size := whole(p)
		if rest := now / size % 10; rest != 0 && now+(10-rest)*size <= goal {
			return (10 - rest) * size, p
		}
	}
	for p := place.Thousands; p > place.Ones; p-- {
		if n := (goal - now) / whole(p); n > 0 {
			return n * whole(p), p
		}
	}
	return goal - now, place.Ones
}

// pattern does several related problems and asks what stayed and what changed.
var pattern = Spec{
	ID: "pattern", Title: "A row of problems", Operation: "subtract",
	Doc:    "Several related problems, each done on the model and kept; then which digit stayed, which changed, and why.",
	Args:   "problems of + or −",
	Sample: []string{"14 - 10", "23 - 10", "35 - 10"}, Typed: "14 − 10, 23 − 10, 35 − 10",
	Limits: "2 to 10 problems, whole numbers to 9,999.",
	Models: []string{"blocks"},
	make:   makePattern,
	read:   commaParted,
}

func makePattern(r Request) (Example, error) {
	if len(r.Args) < 2 || len(r.Args) > 10 {
		return Example{}, needs(r)
	}
	m := begin(r, "blocks 0")
	crosses := false
	last := 0
	var problems string
	var done []simple
	for i, one := range r.Args {
		x, sign, y, err := simpleProblem(one)
		if err != nil {
			return Example{}, err
		}
		result := x + y
		kind, ask := "place", "pattern.add"
		if sign == "−" {
			result, kind, ask = x-y, "", "pattern.take"
		}
		if result < 0 || result > 9999 {
			return Example{}, say.Refuse("method-range", given("n", result), given("least", 0), given("most", 9999))
		}
		crosses = crosses || crossesTen(x, y, sign)
		done = append(done, simple{x, sign, y})
		moves := []board.Move{{Kind: "build", Args: amountOf(x)}}
		if kind == "place" {
			moves = append(moves, board.Move{Kind: "place", Args: amountOf(y)}, board.Move{Kind: "fewest"})
		} else {
			moves = append(moves, takeNumber(x, y)...)
		}
		problem := strconv.Itoa(x) + " " + sign + " " + strconv.Itoa(y)
		m.key(lesson.Step{
			Say: line(map[bool]string{true: "pattern.first", false: "pattern.next"}[i == 0], text("problem", problem)),
			Ask: line(ask), Answer: line("pattern.answer", answer("result", result)),
			Moves: moves, Write: []lesson.Write{m.sentence(problem, strconv.Itoa(result))},
		})
		problems += map[bool]string{true: "", false: ", "}[i == 0] + problem
		last = result
	}
	s := lesson.Step{Say: line("pattern.all"), Ask: line("pattern.ask"), Answer: line("pattern.crosses")}
	offer := ""
	if !crosses {
		s.Answer = line("pattern.stays")
		if one, ok := offerCrossing(done); ok {
			// For the teacher alone: what a set without a crossing hides.
			offer = one.String()
			s.Look = line("pattern.offer", text("offer", offer))
		} else {
			s.Look = line("pattern.flat")
		}
	}
	m.key(s)
	e, err := m.end(problems, strconv.Itoa(last))
	e.Offer = offer
	return e, err
}

// simple is a problem of one sign.
type simple struct {
	x    int
	sign string
	y    int
}

func (p simple) String() string { return strconv.Itoa(p.x) + " " + p.sign + " " + strconv.Itoa(p.y) }

// offerCrossing is a problem near the last one that crosses a ten, with numbers
// no larger than those of the set: the second number stays where it can.
func offerCrossing(done []simple) (simple, bool) {
	most, last := 0, done[len(done)-1]
	for _, p := range done {
		most = max(most, p.x, p.y)
		if p.sign == "+" {
			most = max(most, p.x+p.y)
		}
	}
	for y := last.y; y > 0; y-- {
		for apart := 1; apart <= most; apart++ {
			for _, x := range []int{last.x - apart, last.x + apart} {
				if fits := x >= 1 && (last.sign == "+" && x+y <= most || last.sign == "−" && x >= y && x <= most); fits && crossesTen(x, y, last.sign) {
					return simple{x, last.sign, y}, true
				}
			}
		}
	}
	return simple{}, false
}

func simpleProblem(s string) (x int, sign string, y int, err error) {
	words := Words(s)
	if len(words) != 3 || mirrored(words[1]) != "−" && words[1] != "+" {
		return 0, "", 0, say.Refuse("pattern-problem", text("text", s))
	}
	if x, err = wholeNumber(words[0], 0, 9999); err != nil {
		return
	}
	y, err = wholeNumber(words[2], 0, 9999)
	return x, mirrored(words[1]), y, err
}

func crossesTen(x, y int, sign string) bool {
	for x > 0 || y > 0 {
		if sign == "+" && x%10+y%10 >= 10 || sign == "−" && x%10 < y%10 {
			return true
		}
		x, y = x/10, y/10
	}
	return false
}

// takeNumber takes a number from blocks that lie regrouped, opening what it must.
func takeNumber(x, y int) []board.Move {
	var moves []board.Move
	has := map[place.Place]int{}
	for p := place.Ones; p <= place.Thousands; p++ {
		has[p] = place.Int(x).Digit(p)
	}
	for p := place.Ones; p <= place.Thousands; p++ {
		d := place.Int(y).Digit(p)
		if has[p] < d {
			from := p + 1
			for from < place.Thousands && has[from] == 0 {
				from++
			}
			for ; from > p; from-- {
				has[from]--
				has[from-1] += 10
				moves = append(moves, unbundled(from))
			}
		}
		has[p] -= d
		if d > 0 {
			moves = append(moves, taken(p, d))
		}
	}
	return moves
}

// startBlocks is a board of blocks with columns up to a place, and more when
// they are needed.
func startBlocks(top place.Place, sketch bool) board.Board {
	return board.Board{Models: []board.Model{blocks.Blocks{UpTo: top, Sketch: sketch}}, Tiles: []board.Tile{{}}}
}

// partly is a selector of one addend of a place.
func partly(p place.Place, part int) board.Select {
	return board.Select{Place: p, Part: &part, State: "any"}
}

// joinMove puts the addends of a place together.
func joinMove(p place.Place) board.Move {
	return board.Move{Kind: "join", Args: pieces.PlaceArgs{Place: p}}
}
