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
	Doc: "A sum to 20 by each way that fits: use fives, make ten, near doubles, count on, add ten and take back. " +
		"The parts that are split are written as a bond; every sentence is true on its own.",
	Args:   "two numbers from 0 to 10",
	Sample: []string{"8", "+", "5"}, Typed: "8 + 5",
	Limits: "Numbers from 0 to 10.",
	Models: []string{"rack", "counters"},
	Options: []Option{
		{"way", "One way, or all that fit.", []string{"all", "use fives", "make ten", "near doubles", "count on", "add ten"}},
		seenOption,
	},
	make: makeAddFacts,
}

var addWays = []way{
	{"use fives", func(a, b int) string {
		if a < 5 || b < 5 {
			return "way.fives"
		}
		return ""
	}, useFives, useFives, false},
	{"make ten", func(a, b int) string {
		if a+b < 11 || a == 10 || b == 10 {
			return "way.ten"
		}
		return ""
	}, makeTenFact, fillTheFrame, false},
	{"near doubles", func(a, b int) string {
		if d := a - b; d > 2 || d < -2 || a+b == 0 {
			return "way.doubles"
		}
		return ""
	}, nearDoubles, nearDoubles, false},
	{"count on", func(a, b int) string {
		if min(a, b) > 3 || min(a, b) == 0 {
			return "way.countOn"
		}
		return ""
	}, countOn, countOnFrames, false},
	{"add ten", func(a, b int) string {
		if max(a, b) != 9 && max(a, b) != 8 || min(a, b) == 0 {
			return "way.addTen"
		}
		return ""
	}, addTen, addTenFrames, false},
}

func makeAddFacts(r Request) (Example, error) {
	a, err := arguments(r, [2]int{0, 10}, [2]int{0, 10})
	if err != nil {
		return Example{}, err
	}
	all := addWays
	see := way{"see it", func(int, int) string { return "" }, seeIt, seeFrames, false}
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
	e.like = acrossTen(a[0]+a[1], a[0])
	return e, err
}

func sumText(p [2]int) string { return strconv.Itoa(p[0]) + " + " + strconv.Itoa(p[1]) }

// close says the sum and checks it another way.
func (m *maker) close(a, b int) {
	m.step(lesson.Step{
		Say: line(m.ofFrames("facts.check", "frames.check")), Ask: line("facts.check.ask", part("b", b)),
		Answer: line("facts.check.answer", answer("sum", a+b), answer("a", a), part("b", b)),
		Write:  []lesson.Write{m.sentence(sumText([2]int{a, b}), strconv.Itoa(a+b))},
	})
}

func seeIt(m *maker, a, b int) {
	m.showBoth(a, b)
	m.close(a, b)
}

func useFives(m *maker, a, b int) {
	m.showBoth(a, b)
	x, y := a-5, b-5
	m.key(lesson.Step{
		Say: line("fives.split", part("a", a), part("b", b)), Ask: line("fives.ask"),
		Answer: line("fives.answer", answer("x", x), answer("y", y)),
		Moves:  m.rings(nil, run(0, 5), run(a, a+5)),
		Write:  append(fiveBonds(a, b), m.sentence("5 + 5", "10")),
	})
	m.step(lesson.Step{
		Say: line("fives.rest"), Ask: line("fives.rest.ask"),
		Answer: line("fives.rest.answer", answer("rest", x+y), answer("sum", a+b)),
		Moves:  m.rings(nil, run(0, 5), run(a, a+5), run(5, a), run(a+5, a+b)),
		Write:  []lesson.Write{m.sentence("10 + "+strconv.Itoa(x+y), strconv.Itoa(a+b))},
	})
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

func makeTenFact(m *maker, a, b int) {
	m.showBoth(a, b)
	// The larger number is filled up.
	big, small, top, below := a, b, 1, 2
	if b > a {
		big, small, top, below = b, a, 2, 1
	}
	more := 10 - big
	m.key(lesson.Step{
		Say: line("ten.start", part("big", big)), Ask: line("ten.ask", part("big", big)),
		Answer: line("ten.answer", answer("more", more), part("small", small), answer("left", small-more)),
		Write:  []lesson.Write{bond(small, more, small-more)},
	})
	m.step(lesson.Step{
		Say: line("ten.move"), Ask: line("ten.move.ask"), Answer: line("ten.move.answer", answer("left", small-more),
			answer("sum", a+b)),
		Moves: []board.Move{m.acts.Slide(board.Row{Row: top, To: 10}, board.Row{Row: below, To: small - more})},
		Write: []lesson.Write{m.sentence(sumText([2]int{big, more}), "10"),
			m.sentence("10 + "+strconv.Itoa(small-more), strconv.Itoa(a+b))},
	})
	m.close(a, b)
}

func nearDoubles(m *maker, a, b int) {
	m.showBoth(a, b)
	small, extra := min(a, b), max(a, b)-min(a, b)
	more := run(a+small, a+b) // what the longer row has more
	if a > b {
		more = run(small, a)
	}
	m.key(lesson.Step{
		Say: line("doubles.start", part("a", a), part("b", b)), Ask: line("doubles.ask", part("small", small)),
		Answer: line("doubles.answer", part("small", small), answer("double", 2*small)),
		Write:  []lesson.Write{m.sentence(sumText([2]int{small, small}), strconv.Itoa(2*small))},
	})
	if extra > 0 {
		m.step(lesson.Step{
			Say: line(m.ofFrames("doubles.extra", "frames.extra")), Ask: line("doubles.extra.ask"),
			Answer: line("doubles.extra.answer", answer("extra", extra), answer("sum", a+b)),
			Moves:  m.rings(nil, more),
			Write:  []lesson.Write{m.sentence(sumText([2]int{2 * small, extra}), strconv.Itoa(a+b))},
		})
	}
	m.close(a, b)
}

func countOn(m *maker, a, b int) {
	big, small, top, below := a, b, 1, 2
	if b > a {
		big, small, top, below = b, a, 2, 1
	}
	m.key(lesson.Step{
		Say: line("countOn.start", part("big", big), part("small", small)), Ask: line("countOn.ask"),
		Answer: line("countOn.answer", answer("big", big)),
		Moves:  []board.Move{m.acts.Slide(board.Row{Row: top, To: big})},
	})
	for i := 1; i <= small; i++ {
		m.step(lesson.Step{
			Say: line("countOn.one"), Ask: line("count.ask"), Answer: line("countOn.next", answer("n", big+i)),
			Moves: []board.Move{m.acts.Slide(board.Row{Row: below, To: i})},
		})
	}
	m.close(a, b)
}

func addTen(m *maker, a, b int) {
	m.showBoth(a, b)
	big, small, top := a, b, 1
	if b > a {
		big, small, top = b, a, 2
	}
	m.tenInstead(big, small, []board.Move{m.acts.Slide(board.Row{Row: top, To: 10})})
	m.tooMany(a, b, 10-big, []board.Move{m.acts.Slide(board.Row{Row: top, To: big})})
}

// tenInstead takes a whole ten for a number that is almost ten.
func (m *maker) tenInstead(big, small int, moves []board.Move) {
	m.key(lesson.Step{
		Say: line("addTen.start", part("big", big)), Ask: line("addTen.ask", part("small", small)),
		Answer: line("addTen.answer", answer("more", 10+small)),
		Moves:  moves,
		Write:  []lesson.Write{m.sentence(sumText([2]int{10, small}), strconv.Itoa(10+small))},
	})
}

// tooMany takes back what ten was too many, which gives the sum.
func (m *maker) tooMany(a, b, back int, moves []board.Move) {
	m.step(lesson.Step{
		Say: line(m.ofFrames("addTen.back", "frames.back"), part("back", back)), Ask: line("addTen.back.ask"),
		Answer: line("addTen.back.answer", answer("sum", a+b)),
		Moves:  moves,
		Write:  []lesson.Write{m.sentence(minusText(a+b+back, back), strconv.Itoa(a+b))},
	})
	m.close(a, b)
}
