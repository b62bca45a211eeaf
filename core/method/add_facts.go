package method

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
)

// addFacts are the ways to a sum up to 20: on a rack of two rows, one number a
// row, or on ten frames.
var addFacts = Spec{
	ID: "add-facts", Title: "Addition facts", Operation: "add",
	Doc: "A sum to 20 by each way that fits, the one that suits it best first: count on, double, near doubles, make " +
		"ten, add ten and take back, use fives. The parts that are split are written as a bond; every sentence is " +
		"true on its own.",
	Args:   "two numbers from 0 to 10",
	Sample: []string{"8", "+", "5"}, Typed: "8 + 5",
	Limits: "Numbers from 0 to 10.",
	Models: []string{"rack", "counters"},
	Signs:  "+",
	Options: []Option{
		choice("way", "One way, or all that fit.",
			"all", "use fives", "make ten", "double", "near doubles", "count on", "add ten"),
		choice("from", "Which number is made ten, or counted on from.", "the larger", "the smaller"),
		checkByInverse,
		seenOption,
	},
	stops: factStops,
	grow:  numbersTo(9, 9),
	make:  makeAddFacts,
}

var addWays = []way{
	{name: "make ten", fits: func(a, b int) string {
		if a+b < 10 || a == 10 || b == 10 || max(a, b) < 6 {
			return "way.ten"
		}
		return ""
	}, suits: func(a, b int) int { return 10 - max(a, b) }, beads: makeTenFact, frames: fillTheFrame},
	{name: "double", fits: func(a, b int) string {
		if a != b || a == 0 {
			return "way.double"
		}
		return ""
	}, suits: func(int, int) int { return 0 }, beads: double, frames: double},
	{name: "near doubles", fits: func(a, b int) string {
		if d := max(a, b) - min(a, b); d < 1 || d > 2 || min(a, b) < 3 {
			return "way.doubles"
		}
		return ""
	}, suits: func(a, b int) int { return max(a, b) - min(a, b) }, beads: nearDoubles, frames: nearDoubles},
	{name: "count on", fits: func(a, b int) string {
		if min(a, b) > 3 || min(a, b) == 0 {
			return "way.countOn"
		}
		return ""
	}, suits: func(a, b int) int { return min(a, b) - 1 }, beads: countOn, frames: countOnFrames},
	{name: "add ten", fits: func(a, b int) string {
		if max(a, b) != 9 && max(a, b) != 8 || min(a, b) < 2 {
			return "way.addTen"
		}
		return ""
	}, suits: func(a, b int) int { return 11 - max(a, b) }, beads: addTen, frames: addTenFrames},
	{name: "use fives", fits: func(a, b int) string {
		if a < 5 || b < 5 || a+b == 10 {
			return "way.fives"
		}
		return ""
	}, suits: func(int, int) int { return 3 }, beads: useFives, frames: useFives},
}

func makeAddFacts(r Request) (Example, error) {
	a, err := arguments(r, [2]int{0, 10}, [2]int{0, 10})
	if err != nil {
		return Example{}, err
	}
	all := addWays
	see := way{name: "see it", fits: func(int, int) string { return "" }, beads: seeIt, frames: seeIt}
	if a[0] == 0 || a[1] == 0 || a[0] == 10 || a[1] == 10 {
		// With nothing to add, or a whole ten, what is seen is the way.
		all = append([]way{see}, addWays...)
		if r.Options["way"] == "all" {
			all = all[:1]
		}
	} else if r.Options["way"] == "all" && !anyFits(addWays, a[0], a[1]) {
		all = []way{see}
	}
	problem := sumText([2]int{a[0], a[1]})
	e, err := ways(r, all, a[0], a[1], problem, strconv.Itoa(a[0]+a[1]))
	e.like, e.hard = acrossTen(a[0]+a[1], a[0]), factHardness(a[0], a[1])
	return e, err
}

func sumText(p [2]int) string { return strconv.Itoa(p[0]) + " + " + strconv.Itoa(p[1]) }

// sumIs writes the sum that was found.
func (m *maker) sumIs(a, b int) lesson.Write {
	return m.sentence(sumText([2]int{a, b}), strconv.Itoa(a+b))
}

// close takes the second number away again.
func (m *maker) close(a, b int) {
	if !m.checks || b == 0 {
		return
	}
	s := lesson.Step{
		Say: line(m.ofFrames("facts.back", "frames.away"), part("b", b)), Ask: line("facts.back.ask"),
		Answer: line("facts.back.answer", answer("sum", a+b), answer("a", a), part("b", b)),
	}
	if m.inFrames() {
		s.Moves = m.lastOf(b)
	} else {
		s.Moves = []board.Move{m.acts.Slide(board.Row{Row: 1, To: a}, board.Row{Row: 2, To: 0})}
	}
	m.step(s)
}

// seeIt is the way where there is nothing to add, or a whole ten.
func seeIt(m *maker, a, b int) {
	s := lesson.Step{
		Say: line(m.ofFrames("facts.show", "frames.two"), part("a", a), part("b", b)), Ask: line("facts.total"),
		Answer: line("facts.total.answer", answer("sum", a+b)),
		Moves:  m.both(a, b),
		Write:  []lesson.Write{m.sumIs(a, b)},
	}
	if min(a, b) == 0 && m.inFrames() {
		s.Moves = m.placed(a+b, false)
	}
	if min(a, b) == 0 {
		s.Say = line(m.ofFrames("facts.show.one", "frames.one-number"), part("n", max(a, b)))
	}
	m.first(s)
	if m.explains {
		id := "facts.ten.why"
		if min(a, b) == 0 {
			id = "facts.zero.why"
		} else if a+b == 20 {
			id = "facts.tens.why"
		}
		m.first(lesson.Step{Ask: line(id, part("n", a+b)), Answer: line(id + ".answer")})
	}
	m.close(a, b)
}

func useFives(m *maker, a, b int) {
	m.showBoth(a, b)
	rest := a + b - 10
	m.first(lesson.Step{
		Say: line("fives.ring"), Ask: line("fives.left"),
		Answer: line("fives.left.answer", answer("x", a-5), answer("y", b-5)),
		Moves:  m.rings(nil, run(0, 5), run(a, a+5)),
		Write:  append(fiveBonds(a, b), m.sentence("5 + 5", "10")),
	})
	m.key(lesson.Step{
		Say: line("fives.ten"), Ask: line("fives.sum", part("rest", rest)),
		Answer: line("facts.total.answer", answer("sum", a+b)),
		Moves:  m.rings(nil, run(0, 5), run(a, a+5), run(5, a), run(a+5, a+b)),
		Write:  []lesson.Write{m.sentence("10 + "+strconv.Itoa(rest), strconv.Itoa(a+b)), m.sumIs(a, b)},
	})
	m.why(line("fives.why"), line("fives.why.answer", answer("rest", rest), answer("sum", a+b)))
	m.close(a, b)
}

// fiveBonds part what is more than five.
func fiveBonds(ns ...int) []lesson.Write {
	var out []lesson.Write
	for _, n := range ns {
		if n > 5 {
			out = append(out, bond(n, 5, n-5))
		}
	}
	return out
}

// began are two numbers, the one that is begun with first, and their rows: the larger, if nothing else is
// wanted.
func (m *maker) began(a, b int) (big, small, top, below int) {
	if (b > a) == (m.r.Options["from"] != "the smaller") && a != b {
		return b, a, 2, 1
	}
	return a, b, 1, 2
}

func makeTenFact(m *maker, a, b int) {
	m.showBoth(a, b)
	big, small, top, below := m.began(a, b)
	more := 10 - big
	m.needToTen(big, small, nil)
	s := lesson.Step{
		Say: line("ten.push", part("more", more), part("big", big), part("small", small)),
		Ask: line("ten.now"), Answer: line("ten.now.answer", answer("left", small-more), answer("sum", a+b)),
		Moves: []board.Move{m.acts.Slide(board.Row{Row: top, To: 10}, board.Row{Row: below, To: small - more})},
		Write: []lesson.Write{m.sentence(sumText([2]int{big, more}), "10")},
	}
	m.key(m.overTen(s, a, b, small-more))
	m.why(line("ten.why", part("more", more), part("big", big), part("small", small)),
		line("ten.why.answer", part("big", big), part("small", small)))
	m.close(a, b)
}

// needToTen asks what the number that is begun with needs to make ten.
func (m *maker) needToTen(big, small int, moves []board.Move) {
	near := "ten.near"
	if big < small {
		near = "ten.of"
	}
	more := 10 - big
	id := "ten.need.answer"
	var parted []lesson.Write
	if small == more {
		id = "ten.need.all"
	} else {
		parted = []lesson.Write{bond(small, more, small-more)}
	}
	m.first(lesson.Step{
		Say: line(near, part("big", big)), Ask: line("ten.ask", part("big", big)),
		Answer: line(id, answer("more", more), part("small", small), answer("left", small-more), part("big", big)),
		Moves:  moves, Write: parted,
	})
}

// overTen is a step that comes to ten, or to ten and what is left.
func (m *maker) overTen(s lesson.Step, a, b, left int) lesson.Step {
	if left == 0 {
		s.Answer = line("ten.now.just", answer("sum", 10))
	} else {
		s.Write = append(s.Write, m.sentence("10 + "+strconv.Itoa(left), strconv.Itoa(a+b)))
	}
	s.Write = append(s.Write, m.sumIs(a, b))
	return s
}

func double(m *maker, a, b int) {
	m.showBoth(a, b)
	m.first(lesson.Step{
		Say: line("double.pairs"), Ask: line("double.ask", part("a", a)),
		Answer: line("double.answer", part("a", a), answer("sum", a+b)),
		Moves:  m.rings(nil, run(0, a+b)),
		Write:  []lesson.Write{m.sumIs(a, b)},
	})
	m.why(line("double.why"), line("double.why.answer", part("a", a)))
	m.close(a, b)
}

func nearDoubles(m *maker, a, b int) {
	m.showBoth(a, b)
	small, extra := min(a, b), max(a, b)-min(a, b)
	more := run(a+small, a+b) // what the longer row has more
	if a > b {
		more = run(small, a)
	}
	m.first(lesson.Step{
		Say: line("doubles.near"), Ask: line("doubles.which"),
		Answer: line("doubles.which.answer", part("small", small), answer("double", 2*small)),
		Moves:  m.rings(nil, run(0, small), run(a, a+small)),
		Write:  []lesson.Write{m.sentence(sumText([2]int{small, small}), strconv.Itoa(2*small))},
	})
	m.key(lesson.Step{
		Say: line("doubles.beside"), Ask: line("facts.total"),
		Answer: line("doubles.beside.answer", part("double", 2*small), answer("extra", extra), answer("sum", a+b)),
		Moves:  m.rings(nil, more),
		Write:  []lesson.Write{m.sentence(sumText([2]int{2 * small, extra}), strconv.Itoa(a+b)), m.sumIs(a, b)},
	})
	m.why(line("doubles.why", part("small", small), part("a", a), part("b", b)),
		line("doubles.why.answer", part("extra", extra), part("a", a), part("b", b), part("small", small)))
	m.close(a, b)
}

func countOn(m *maker, a, b int) {
	big, small, top, below := m.began(a, b)
	m.keepAndCount(a, b, big, small, []board.Move{m.acts.Slide(board.Row{Row: top, To: big})}, func(i int) []board.Move {
		return []board.Move{m.acts.Slide(board.Row{Row: below, To: i})}
	})
}

// keepAndCount keeps one number and counts the other on.
func (m *maker) keepAndCount(a, b, big, small int, start []board.Move, one func(int) []board.Move) {
	m.step(lesson.Step{Say: line("countOn.keep", part("big", big), part("small", small)), Moves: start})
	for i := 1; i <= small; i++ {
		s := lesson.Step{
			Say: line(m.ofFrames("countOn.bead", "countOn.counter")), Ask: line("countOn.where"),
			Answer: line("countOn.next", answer("n", big+i)),
			Moves:  one(i),
		}
		if i < small {
			m.step(s)
			continue
		}
		s.Write = []lesson.Write{m.sumIs(a, b)}
		m.first(s)
	}
	switch {
	case big > small:
		m.why(line("countOn.why"), line("countOn.why.answer", part("big", big), part("small", small)))
	case big < small:
		m.why(line("countOn.quicker"), line("countOn.quicker.answer", part("big", big), part("small", small)))
	}
	m.close(a, b)
}

func addTen(m *maker, a, b int) {
	m.showBoth(a, b)
	big, small, top := a, b, 1
	if b > a {
		big, small, top = b, a, 2
	}
	m.tenInstead(a, b, big, small, []board.Move{m.acts.Slide(board.Row{Row: top, To: 10})},
		[]board.Move{m.acts.Slide(board.Row{Row: top, To: big})})
}

// tenInstead takes a whole ten for a number that is almost ten, and takes back what
// came too many.
func (m *maker) tenInstead(a, b, big, small int, there, back []board.Move) {
	over := 10 - big
	m.key(lesson.Step{
		Say: line("addTen.near", part("big", big)), Ask: line("addTen.sum", part("small", small)),
		Answer: line("facts.total.answer", answer("sum", 10+small)),
		Moves:  there,
		Write:  []lesson.Write{m.sentence(sumText([2]int{10, small}), strconv.Itoa(10+small))},
	})
	m.first(lesson.Step{
		Say: line("addTen.over"), Ask: line("addTen.over.ask"),
		Answer: line("addTen.over.answer", answer("over", over), part("big", big), answer("sum", a+b)),
		Moves:  back,
		Write:  []lesson.Write{m.sentence(minusText(10+small, over), strconv.Itoa(a+b)), m.sumIs(a, b)},
	})
	m.close(a, b)
}
