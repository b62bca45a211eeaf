package method

import (
	"fmt"
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// difference compares two numbers: what one has more than the other, seen in two
// rows and counted up from the smaller.
var difference = Spec{
	ID: "difference", Title: "What is the difference?", Operation: "subtract",
	Doc: "Two rows aligned, what one has more, and the shorter counted up; larger numbers counted up from the " +
		"smaller to the next ten, the next hundred, and on.",
	Args:   "two numbers",
	Sample: []string{"63", "28"}, Typed: "63, 28",
	Limits: "Cubes in two rows: 1 to 20; blocks: whole numbers to 9,999.",
	Models: []string{"cubes", "blocks"},
	Signs:  "−",
	make:   makeDifference,
	read:   count.read,
}

func makeDifference(r Request) (Example, error) {
	limit := [2]int{0, 9999}
	inRows := actsOf(r.Model).Extend != nil
	if inRows {
		limit = [2]int{1, 20}
	}
	a, err := arguments(r, limit, limit)
	if err != nil {
		return Example{}, err
	}
	m := begin(r, r.Model+" 0")
	big, small := max(a[0], a[1]), min(a[0], a[1])
	if inRows {
		m.scene.Show = []string{} // both rows together are no number of the problem
		m.twoRows(a[0], a[1])
	} else {
		m.countUp(big, small)
	}
	e, err := m.end(strconv.Itoa(a[0])+" and "+strconv.Itoa(a[1]), strconv.Itoa(big-small))
	e.like = fmt.Sprint(simple{x: big, sign: "−", y: small}.exchanged())
	return e, err
}

// twoRows lays two numbers as rows of cubes, rings what one has more, and counts
// the shorter up.
func (m *maker) twoRows(a, b int) {
	big, small, longer, shorter := a, b, 1, 2
	if b > a {
		big, small, longer, shorter = b, a, 2, 1
	}
	d := big - small
	rows := append(m.lay(a, place.Ones, 1), m.lay(b, place.Ones, 2)...)
	s := lesson.Step{
		Say: line("gap.two-rows", given("a", a), given("b", b)), Ask: line("gap.longer"), Moves: rows,
		Answer: line("gap.longer.answer", answer("d", d), given("big", big), given("small", small)),
		Look:   line("look.rows-end"),
		Write:  []lesson.Write{m.sentence(minusText(big, small), strconv.Itoa(d))},
	}
	if d == 0 {
		s.Answer = line("gap.longer.alike")
		m.first(s)
		return
	}
	slots := make([]int, d)
	for i := range slots {
		slots[i] = small + i
	}
	s.Moves = append(s.Moves, board.Move{Kind: "ring",
		Args: pieces.RingArgs{Pieces: []board.Select{{Part: &longer, Slots: slots}}}})
	m.first(s)
	m.whyGap(d) // while the gap is to be seen
	m.key(lesson.Step{
		Say: line("gap.fill", given("small", small), given("d", d)), Ask: line("gap.fill.ask"),
		Answer: line("gap.fill.answer", answer("d", d), given("small", small), answer("big", big)),
		Moves:  []board.Move{m.acts.Extend(shorter, d, 3)},
		Write:  []lesson.Write{m.sentence(sumText([2]int{small, d}), strconv.Itoa(big))},
	})
}

// whyGap asks why a difference stays when both numbers change alike.
func (m *maker) whyGap(d int) { m.why(line("gap.why"), line("gap.why.answer", given("d", d))) }

// countUp builds the smaller number and goes up to the larger in jumps.
func (m *maker) countUp(big, small int) {
	s := lesson.Step{
		Say:   line("gap.from", given("big", big), given("small", small)),
		Write: []lesson.Write{{Kind: "text", Text: strconv.Itoa(small) + " + □ = " + strconv.Itoa(big)}},
	}
	for _, c := range place.Int(small).UnitForm() {
		s.Moves = append(s.Moves, m.lay(c.Count, c.Place, 1)...)
	}
	if big == small {
		s.Say = line("gap.from.alike", given("small", small))
	}
	m.step(s)
	if big == small {
		m.key(lesson.Step{Ask: line("gap.far", given("small", small), given("big", big)), Answer: line("gap.far.none"),
			Write: []lesson.Write{m.sentence(minusText(big, small), "0")}})
		return
	}
	m.sizeGap(big, small)
	far := lesson.Step{
		Say: line("gap.all"), Ask: line("gap.far", given("small", small), given("big", big)),
		Answer: line("gap.far.answer", answer("d", big-small)),
		Write: []lesson.Write{m.sentence(minusText(big, small), strconv.Itoa(big-small)),
			m.sentence(sumText([2]int{small, big - small}), strconv.Itoa(big))},
	}
	m.table("jump", "to")
	now, first := small, true
	for now < big {
		jump, p := nextJump(now, big)
		now += jump
		if jump == big-small { // it is the whole way
			far.Say, far.Moves = say.Line{}, m.lay(jump/whole(p), p, 2)
			far.Write = append([]lesson.Write{row("+"+strconv.Itoa(jump), strconv.Itoa(now))}, far.Write...)
			break
		}
		s := lesson.Step{
			Say: line("gap.on"), Ask: line("gap.to", part("from", now-jump), part("to", now)),
			Answer: line("gap.to.answer", answer("jump", jump), part("from", now-jump), part("to", now)),
			Moves:  m.lay(jump/whole(p), p, 2),
			Write:  []lesson.Write{row("+"+strconv.Itoa(jump), strconv.Itoa(now))},
		}
		if first {
			s.Say = line("gap.first", part("to", now))
			m.first(s)
		} else {
			m.step(s)
		}
		first = false
	}
	m.key(far)
	m.whyGap(big - small)
}

// sizeGap asks for the size of a difference before it is counted: by the largest place,
// and by what comes after it.
func (m *maker) sizeGap(big, small int) {
	p := place.Int(big).Top()
	unit := whole(p)
	lead := (big/unit - small/unit) * unit
	if p == place.Ones || big <= 20 {
		return
	}
	if lead == 0 || lead > 10*(big-small) { // the largest place says nothing of it
		for lead = 10; lead <= big-small; lead *= 10 {
		}
	}
	if small+lead == big {
		return // the bound would be the answer
	}
	id := "gap.size.more"
	if big < small+lead {
		id = "gap.size.less"
	}
	m.key(lesson.Step{Ask: line("gap.size", given("lead", lead)), Answer: line(id, given("lead", lead),
		given("small", small),
		given("big", big), given("mid", small+lead))})
}

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
