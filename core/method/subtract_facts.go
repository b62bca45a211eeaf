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
	Doc: "A difference from numbers to 20 by each way that fits, the shortest first: take away, back through ten, " +
		"think addition, difference.",
	Args:   "a number from 0 to 20, and one to take away",
	Sample: []string{"14", "-", "6"}, Typed: "14 − 6",
	Limits: "Numbers from 0 to 20, no more taken away than there are.",
	Models: []string{"rack", "counters"},
	Signs:  "−",
	Options: []Option{
		choice("way", "One way, or all that fit.", "all", "take away", "back through ten", "think addition", "difference"),
		checkByInverse,
		seenOption,
	},
	stops: factStops,
	grow:  numbersTo(19, 9),
	make:  makeSubtractFacts,
}

var subtractWays = []way{
	{name: "back through ten", fits: func(a, b int) string {
		if a <= 10 || a == 20 || b <= a-10 {
			return "way.back"
		}
		return ""
	}, suits: func(a, b int) int { return 2 }, beads: backThroughTen, frames: emptyToTheFrame},
	{name: "take away", fits: func(int, int) string { return "" },
		suits: func(a, b int) int {
			if wholeTen(a, b) {
				return 1
			}
			return b
		}, beads: takeAway, frames: takeFromFrames},
	{name: "think addition", fits: func(a, b int) string {
		if b == 0 {
			return "way.think"
		}
		return ""
	}, suits: func(a, b int) int { return a - b }, beads: thinkAddition, frames: fillUpFrames},
	{name: "difference", fits: func(a, b int) string {
		if a > 10 || b == 0 {
			return "way.difference"
		}
		return ""
	}, suits: func(int, int) int { return 9 }, beads: asDifference, frames: asDifference, rows: true},
}

// wholeTen tells whether a row or a frame that is full is taken from more.
func wholeTen(a, b int) bool { return a > b && b == 10 }

func makeSubtractFacts(r Request) (Example, error) {
	a, err := arguments(r, [2]int{0, 20}, [2]int{0, 20})
	if err != nil {
		return Example{}, err
	}
	if a[1] > a[0] {
		return Example{}, say.Refuse("subtract-more", given("a", a[0]), given("b", a[1]))
	}
	e, err := ways(r, subtractWays, a[0], a[1], minusText(a[0], a[1]), strconv.Itoa(a[0]-a[1]))
	e.like, e.hard = acrossTen(a[0], a[0]-a[1]), takenHardness(a[0], a[1])
	return e, err
}

// takenHardness is what makes a difference from numbers to 20 harder: that it goes back through
// ten, how much goes from ten then, and how much is taken or counted up.
func takenHardness(a, b int) hardness {
	h := hardness{"harder.through-ten": 0, "harder.beyond-ten": 0, "harder.take": min(b, a-b, 3)}
	if a > 10 && a-b < 10 && a%10 > 0 {
		h["harder.through-ten"], h["harder.beyond-ten"] = 1, 9-(a-b)
	}
	return h
}

func minusText(a, b int) string { return strconv.Itoa(a) + " − " + strconv.Itoa(b) }

// rowsOf pushes a number on two rows, the first filled first.
func (m *maker) rowsOf(n int) board.Move {
	return m.acts.Slide(board.Row{Row: 1, To: min(n, 10)}, board.Row{Row: 2, To: max(0, n-10)})
}

// showWhole puts the number down that is taken from, and asks what is seen.
func (m *maker) showWhole(a int) {
	if m.inFrames() {
		m.see(line("frames.show", part("n", a)), m.placed(a, false), a)
		return
	}
	m.see(line("minus.whole", part("a", a)), []board.Move{m.rowsOf(a)}, min(a, 10), a-min(a, 10))
}

func (m *maker) differenceIs(a, b int) lesson.Write {
	return m.sentence(minusText(a, b), strconv.Itoa(a-b))
}

// takenStep takes a number away and asks what is left.
func (m *maker) takenStep(a, b int, moves []board.Move) lesson.Step {
	s := lesson.Step{
		Say: line("minus.away", part("b", b)), Ask: line("minus.left.ask"), Answer: noneOr("minus.left.is", a-b,
			answer("d", a-b)),
		Moves: moves, Write: []lesson.Write{m.differenceIs(a, b)},
	}
	if b == 0 {
		s.Say = line("minus.nothing")
	}
	return s
}

// closeMinus adds back what was taken away.
func (m *maker) closeMinus(a, b int) {
	if m.explains && b > 0 && m.longer(a, b) {
		// Which way is shorter is worth a thought where there is a choice.
		ask, id := line("minus.choose", part("b", b)), "minus.choose.up"
		switch {
		case wholeTen(a, b):
			ask, id = line("minus.ten"), "minus.ten.answer"
		case b < a-b:
			id = "minus.choose.away"
		case b == a-b:
			id = "minus.choose.even"
		}
		m.first(lesson.Step{Ask: ask, Answer: line(id, part("a", a), part("b", b), answer("d", a-b))})
	}
	if !m.checks || b == 0 {
		return
	}
	s := lesson.Step{
		Say: line("minus.back", part("b", b)), Ask: line("minus.back.ask"),
		Answer: line("minus.back.answer", answer("d", a-b), part("b", b), answer("a", a)),
		Write:  []lesson.Write{m.sentence(sumText([2]int{a - b, b}), strconv.Itoa(a))},
	}
	if m.inFrames() {
		s.Moves = m.placed(b, true)
	} else {
		s.Moves = []board.Move{m.rowsOf(a)}
	}
	m.step(s)
}

// longer tells whether there is a choice between taking away and counting up: the
// sentence of the way that is shown explains itself otherwise.
func (m *maker) longer(a, b int) bool { return a > 2 && a != b }

func takeAway(m *maker, a, b int) {
	m.showWhole(a)
	left := m.rowsOf(a - b)
	if wholeTen(a, b) {
		left = m.acts.Slide(board.Row{Row: 1}, board.Row{Row: 2, To: a - b})
	}
	m.first(m.takenStep(a, b, []board.Move{left}))
	m.closeMinus(a, b)
}

func backThroughTen(m *maker, a, b int) {
	m.showWhole(a)
	m.backToTen(a, b, []board.Move{m.rowsOf(10)}, []board.Move{m.rowsOf(a - b)})
}

// backToTen takes away down to ten, and the rest from ten.
func (m *maker) backToTen(a, b int, toTen, rest []board.Move) {
	first := a - 10
	m.first(lesson.Step{
		Say: line("back.first"), Ask: line("back.how", part("b", b)),
		Answer: line("back.how.answer", answer("first", first), answer("rest", b-first)),
		Moves:  toTen,
		Write:  []lesson.Write{bond(b, first, b-first), m.sentence(minusText(a, first), "10")},
	})
	m.key(lesson.Step{
		Say: line("back.then", part("rest", b-first)), Ask: line("minus.left.ask"), Answer: noneOr("minus.left.is", a-b,
			answer("d", a-b)),
		Moves: rest,
		Write: []lesson.Write{m.sentence(minusText(10, b-first), strconv.Itoa(a-b)), m.differenceIs(a, b)},
	})
	m.why(line("back.why", part("b", b), part("first", first), part("rest", b-first)),
		line("back.why.answer", part("first", first), part("rest", b-first), answer("d", a-b)))
	explains := m.explains
	m.explains = false
	m.closeMinus(a, b)
	m.explains = explains
}

func thinkAddition(m *maker, a, b int) {
	// The part that is known stays in its ring: what comes beside it can be counted.
	known := m.rings([]board.Move{m.rowsOf(b)}, run(0, b))
	m.countUpTo(a, b, known, m.rings([]board.Move{m.rowsOf(a)}, run(0, b)))
}

// countUpTo puts the part down that is known, and goes up to the whole.
func (m *maker) countUpTo(a, b int, known, up []board.Move) {
	m.step(lesson.Step{
		Say: line("think.part", part("a", a), part("b", b)), Moves: known,
		Write: []lesson.Write{{Kind: "text", Text: strconv.Itoa(b) + " + □ = " + strconv.Itoa(a)}},
	})
	s := lesson.Step{
		Ask: line("think.ask", part("b", b), part("a", a)), Answer: line("think.more", answer("d", a-b), part("b", b),
			part("a", a)),
		Moves: up, Write: []lesson.Write{m.differenceIs(a, b)},
	}
	if a > b {
		s.Write = append([]lesson.Write{bond(a, b, a-b)}, s.Write...)
	} else {
		s.Answer, s.Moves = line("think.none"), nil
	}
	m.first(s)
	if a > b {
		m.why(line("think.why", part("a", a), part("b", b)), line("think.why.answer", part("a", a), part("b", b),
			answer("d", a-b)))
	}
	if !m.checks {
		return
	}
	check := lesson.Step{Say: line("think.away", part("b", b)), Ask: line("minus.left.ask.check"),
		Answer: noneOr("think.away.answer", a-b, part("a", a), part("b", b), answer("d", a-b))}
	if m.inFrames() {
		check.Moves = m.lastOf(b)
	} else {
		check.Moves = []board.Move{m.rowsOf(a - b)}
	}
	m.step(check)
}

func asDifference(m *maker, a, b int) {
	m.first(lesson.Step{
		Say: line("difference.rows", part("a", a), part("b", b)), Ask: line("difference.ask"),
		Answer: noneOr("difference.more", a-b, part("a", a), part("b", b), answer("d", a-b)),
		Moves:  m.rings(m.both(a, b), run(b, a)),
		Write:  []lesson.Write{m.differenceIs(a, b)},
	})
	if m.explains && a > b {
		m.why(line("difference.why"), line("difference.why.answer", answer("d", a-b)))
	}
	if !m.checks || a == b {
		return
	}
	s := lesson.Step{
		Say: line("difference.below", part("d", a-b)), Ask: line("difference.below.ask"),
		Answer: line("difference.below.answer", part("b", b), answer("d", a-b), answer("a", a)),
		Moves:  []board.Move{}, Write: []lesson.Write{m.sentence(sumText([2]int{b, a - b}), strconv.Itoa(a))},
	}
	if m.inFrames() {
		s.Moves = m.placedIn(2, a-b, false)
	} else {
		s.Moves = []board.Move{m.acts.Slide(board.Row{Row: 2, To: a})}
	}
	m.step(s)
}
