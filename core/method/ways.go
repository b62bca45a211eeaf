// Ways are the several that a fact can be thought in; each is worked on its own, and
// they can be shown one after another. The methods of facts share them.

package method

import (
	"slices"
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

// way is one way of working a fact: it says why it does not fit, or makes its
// steps with beads or with counters in frames.
type way struct {
	name   string
	fits   func(a, b int) string // a message of the catalogue that says why not, empty when it fits
	suits  func(a, b int) int    // how well it suits: the smaller the better; the best is shown first
	beads  func(m *maker, a, b int)
	frames func(m *maker, a, b int)
	rows   bool // in frames of one row each, under one another
}

// checkByInverse is the option of methods that undo what was done.
var checkByInverse = choice("check", "How it is checked.", "by the inverse", "none")

// ways makes one example a way: the one asked for, or all that fit. Several are a set:
// the first explains, and the second way is the check.
func ways(r Request, all []way, a, b int, problem, result string) (Example, error) {
	var fit []way
	for _, w := range all {
		chosen := r.Options["way"]
		if chosen != "all" && chosen != w.name {
			continue
		}
		why := w.fits(a, b)
		if why != "" && chosen == w.name {
			return Example{}, say.Refuse(why, given("a", a), given("b", b))
		}
		if why == "" {
			fit = append(fit, w)
		}
	}
	if len(fit) == 0 {
		return Example{}, say.Refuse("no-way")
	}
	if len(fit) > 1 {
		slices.SortStableFunc(fit, func(x, y way) int { return x.suits(a, b) - y.suits(a, b) })
	}
	var made []Example
	for i, w := range fit {
		m := w.steps(r, a, b, i == 0, len(fit) == 1)
		if i == 0 {
			// What children saw stands with the first way.
			if err := m.seen(false, m.sightsOf(a, b)...); err != nil {
				return Example{}, err
			}
		}
		e, err := m.end(problem, result)
		if err != nil {
			return Example{}, err
		}
		e.Scene.Title = problem + ": " + w.name
		made = append(made, e)
	}
	made[0].More = made[1:]
	return made[0], nil
}

// steps are the way's steps on the model that is asked for.
func (w way) steps(r Request, a, b int, explains, checks bool) *maker {
	spec := specOf(r.Model)
	start := spec.Empty(20)
	if w.rows && spec.Acts.Frames != nil {
		start = spec.Acts.Frames(2, 1, 10)
	}
	m := begin(r, start)
	m.explains, m.checks = m.explains && explains, m.checks && checks
	if m.inFrames() {
		w.frames(m, a, b)
	} else {
		w.beads(m, a, b)
	}
	return m
}

// acrossTen tells whether the way between two numbers crosses ten, for a problem
// like it.
func acrossTen(more, less int) string { return strconv.FormatBool(more > 10 && less < 10) }

// sightsOf are what can be seen of a fact: of a sum both rows; of a difference
// the whole, what goes, and what is left.
func (m *maker) sightsOf(a, b int) []sight {
	minus := m.r.Method == subtractFactsID
	switch {
	case m.inFrames() && minus:
		all := m.frameSights(a)
		return append(append(all, m.frameSights(a-b)...), all[0].last(b), all[1].last(b))
	case m.inFrames():
		return m.frameSights(max(a, b), min(a, b))
	case minus:
		all := m.rowSights(min(a, 10), max(0, a-10))
		left := m.rowSights(min(a-b, 10), max(0, a-b-10))
		return append(append(all, left...), all[0].last(b), all[1].last(b))
	}
	return m.rowSights(a, b)
}

// inFrames tells whether numbers fill frames; otherwise they are pushed on rows.
func (m *maker) inFrames() bool { return m.acts.Fill != nil }

func anyFits(all []way, a, b int) bool {
	for _, w := range all {
		if w.fits(a, b) == "" {
			return true
		}
	}
	return false
}

// showBoth puts the two numbers on their rows, or each in its frame, and asks
// what is seen.
func (m *maker) showBoth(a, b int) {
	m.see(line(m.ofFrames("facts.show", "frames.two"), part("a", a), part("b", b)), m.both(a, b), a, b)
}

// see shows numbers, each on its own row or frame, and asks what is seen of them.
func (m *maker) see(said say.Line, moves []board.Move, numbers ...int) {
	var sights []string
	for _, n := range numbers {
		if n > 0 {
			sights = append(sights, sightOf(n))
		}
	}
	id := "facts.sees"
	if len(sights) == 2 {
		id = "facts.sees.two"
		if sights[0] == sights[1] {
			id = "facts.sees.twice"
		}
	}
	values := []say.Value{}
	for i, s := range sights {
		values = append(values, answerText([]string{"x", "y"}[i], s))
	}
	if len(sights) == 0 {
		id = "facts.sees.none"
	}
	for i, n := range numbers {
		if n > 0 { // a whole ten is told without its numeral, which is held back all the same
			values = append(values, answer([]string{"n", "m"}[i], n))
		}
	}
	if len(numbers) == 1 && numbers[0] < 5 {
		m.step(lesson.Step{Say: said, Moves: moves}) // it is taken in at once
		return
	}
	m.key(lesson.Step{Say: said, Ask: line("facts.see"), Answer: line(id, values...), Moves: moves})
}

// sightOf is what an eye takes in of a row: a five and what is beside it.
func sightOf(n int) string {
	id := "sight.small"
	switch {
	case n > 10:
		return say.New("sight.over", given("n", n), given("rest", n-10)).Phrase(say.Vocabulary{})
	case n == 10:
		id = "sight.ten"
	case n > 5:
		id = "sight.five-and"
	case n == 5:
		id = "sight.five"
	}
	return say.New(id, given("n", n), given("rest", n-5)).Phrase(say.Vocabulary{})
}

// why asks for a reason, once in a set.
func (m *maker) why(ask, because say.Line) {
	if m.explains {
		m.first(lesson.Step{Ask: ask, Answer: because})
	}
}

// both are the moves that put two numbers down, each on its own row or frame.
func (m *maker) both(a, b int) []board.Move {
	if m.inFrames() {
		return append(m.placedIn(1, a, false), m.placedIn(2, b, true)...)
	}
	return []board.Move{m.acts.Slide(board.Row{Row: 1, To: a}, board.Row{Row: 2, To: b})}
}

// rings adds a ring round the slots of each group that has any, beside one
// another; the pieces are those that lie there after the moves.
func (m *maker) rings(moves []board.Move, groups ...[]int) []board.Move {
	shown, err := board.ApplyAll(m.now, moves)
	if err != nil || m.err != nil {
		return moves
	}
	beside := false
	for _, slots := range groups {
		if len(slots) > 0 {
			moves = append(moves, m.spec.Ring(shown.Models[0], slots, beside))
			beside = true
		}
	}
	return moves
}

// run is the slots from one up to another.
func run(from, to int) []int {
	var slots []int
	for k := from; k < to; k++ {
		slots = append(slots, k)
	}
	return slots
}

// ofFrames is a message for beads, or that for counters in frames.
func (m *maker) ofFrames(beads, frames string) string {
	if m.inFrames() {
		return frames
	}
	return beads
}
