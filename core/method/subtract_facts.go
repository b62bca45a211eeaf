package method

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

const subtractFactsID = "subtract-facts"

// subtractFacts are the ways to a difference up to 20.
var subtractFacts = Spec{
	ID: subtractFactsID, Title: "Subtraction facts", Operation: "subtract",
	Doc: "A difference from numbers to 20 by each way that fits: take away, back through ten, think addition, " +
		"difference.",
	Args:   "a number from 0 to 20, and one to take away",
	Sample: []string{"14", "-", "6"}, Typed: "14 − 6",
	Limits: "Numbers from 0 to 20, no more taken away than there are.",
	Models: []string{"rack", "counters"},
	Options: []Option{
		{"way", "One way, or all that fit.", []string{"all", "take away", "back through ten", "think addition",
			"difference"}},
		seenOption,
	},
	make: makeSubtractFacts,
}

var subtractWays = []way{
	{"take away", func(int, int) string { return "" }, takeAway, takeFromFrames, false},
	{"back through ten", func(a, b int) string {
		if a <= 10 || a == 20 || b <= a-10 {
			return "way.back"
		}
		return ""
	}, backThroughTen, emptyToTheFrame, false},
	{"think addition", func(int, int) string { return "" }, thinkAddition, fillUpFrames, false},
	{"difference", func(a, b int) string {
		if a > 10 || b == 0 {
			return "way.difference"
		}
		return ""
	}, asDifference, asDifference, true},
}

func makeSubtractFacts(r Request) (Example, error) {
	a, err := arguments(r, [2]int{0, 20}, [2]int{0, 20})
	if err != nil {
		return Example{}, err
	}
	if a[1] > a[0] {
		return Example{}, say.Refuse("subtract-more", given("a", a[0]), given("b", a[1]))
	}
	e, err := ways(r, subtractWays, a[0], a[1], minusText(a[0], a[1]), strconv.Itoa(a[0]-a[1]))
	e.like = acrossTen(a[0], a[0]-a[1])
	return e, err
}

func minusText(a, b int) string { return strconv.Itoa(a) + " − " + strconv.Itoa(b) }

// rowsOf pushes a number on two rows, the first filled first.
func (m *maker) rowsOf(n int) board.Move {
	return m.acts.Slide(board.Row{Row: 1, To: min(n, 10)}, board.Row{Row: 2, To: max(0, n-10)})
}

func (m *maker) showWhole(a int) {
	m.step(lesson.Step{
		Say: line("minus.show", part("a", a)), Ask: line("facts.see"), Answer: line("facts.seen"),
		Moves: []board.Move{m.rowsOf(a)},
	})
}

// closeMinus checks a difference by adding back.
func (m *maker) closeMinus(a, b int) {
	m.step(lesson.Step{
		Say: line("minus.check"), Ask: line("minus.check.ask", part("b", b)),
		Answer: line("minus.check.answer", answer("d", a-b), part("b", b), answer("a", a)),
		Write: []lesson.Write{m.sentence(minusText(a, b), strconv.Itoa(a-b)),
			m.sentence(sumText([2]int{a - b, b}), strconv.Itoa(a))},
	})
}

func takeAway(m *maker, a, b int) {
	m.showWhole(a)
	m.key(lesson.Step{
		Say: line("minus.take", part("b", b)), Ask: line("minus.left"), Answer: line("minus.left.answer", answer("d", a-b)),
		Moves: []board.Move{m.rowsOf(a - b)},
	})
	m.closeMinus(a, b)
}

func backThroughTen(m *maker, a, b int) {
	m.showWhole(a)
	first := a - 10
	m.key(lesson.Step{
		Say: line("back.start", part("a", a)), Ask: line("back.ask", part("b", b)),
		Answer: line("back.answer", part("b", b), answer("first", first), answer("rest", b-first)),
		Moves:  []board.Move{m.rowsOf(10)},
		Write:  []lesson.Write{bond(b, first, b-first), m.sentence(minusText(a, first), "10")},
	})
	m.step(lesson.Step{
		Say: line("back.rest"), Ask: line("minus.left"), Answer: line("minus.left.answer", answer("d", a-b)),
		Moves: []board.Move{m.rowsOf(a - b)},
		Write: []lesson.Write{m.sentence(minusText(10, b-first), strconv.Itoa(a-b))},
	})
	m.closeMinus(a, b)
}

func thinkAddition(m *maker, a, b int) {
	m.step(lesson.Step{
		Say: line("think.start", part("a", a), part("b", b)), Ask: line("think.ask", part("b", b), part("a", a)),
		Answer: line("think.answer", answer("d", a-b)),
		Moves:  []board.Move{m.rowsOf(b)},
		Write:  []lesson.Write{{Kind: "text", Text: strconv.Itoa(b) + " + □ = " + strconv.Itoa(a)}},
	})
	m.key(lesson.Step{
		Say: line("think.up"), Ask: line("think.up.ask"), Answer: line("think.up.answer", answer("d", a-b)),
		Moves: []board.Move{m.rowsOf(a)}, Write: []lesson.Write{bond(a, b, a-b)},
	})
	m.closeMinus(a, b)
}

func asDifference(m *maker, a, b int) {
	m.key(lesson.Step{
		Say: line("difference.rows", part("a", a), part("b", b)), Ask: line("difference.ask"),
		Answer: line("difference.answer", answer("d", a-b)),
		Moves:  m.rings(m.both(a, b), run(b, a)),
	})
	m.closeMinus(a, b)
}
