package method

import (
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
	m.key(lesson.Step{
		Say: line("gap.check"), Ask: line("gap.check.ask"), Answer: line("gap.check.answer", answer("d", big-small),
			part("big", big), part("small", small)),
		Write: []lesson.Write{m.sentence(minusText(big, small), strconv.Itoa(big-small)),
			m.sentence(sumText([2]int{small, big - small}), strconv.Itoa(big))},
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
		Say: line("gap.rows", given("a", a), given("b", b)), Ask: line("gap.rows.ask"),
		Answer: line("gap.rows.answer", part("big", big), part("small", small)),
		Moves:  append(m.lay(a, place.Ones, 1), m.lay(b, place.Ones, 2)...),
	}
	if d == 0 {
		s.Answer = line("gap.rows.alike", part("big", big))
	}
	m.key(s)
	s = lesson.Step{
		Say: line("gap.partners"), Ask: line("gap.partners.ask"),
		Answer: line("gap.partners.answer", answer("d", d), part("big", big), part("small", small)),
		Look:   line("look.rows-end"),
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
			Say: line("gap.up", part("small", small)), Ask: line("gap.up.ask"),
			Answer: line("gap.up.answer", answer("d", d), part("small", small), answer("big", big)),
			Moves:  []board.Move{m.acts.Extend(shorter, d, 3)},
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
	return line("gap.predict.lead", at, given("lead", lead)), line(id, at, given("big", big), given("small", small),
		given("lead", lead))
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
