package method

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

// group makes groups of a given size until none is left.
var group = Spec{
	ID: "group", Title: "How many groups?", Operation: "divide",
	Doc:    "How many groups of a size are in a number: made group by group, with what is left over.",
	Args:   "a number and a size",
	Sample: []string{"14", "4"}, Typed: "14 ÷ 4",
	Limits:  "To 144, groups of 1 to 12, at most 12 groups.",
	Models:  []string{"counters"},
	Signs:   "÷",
	Options: []Option{checkByInverse},
	stops:   groupStops,
	grow:    numbersTo(99, 12),
	make:    makeGroup,
}

func makeGroup(r Request) (Example, error) {
	a, err := arguments(r, [2]int{0, 144}, [2]int{1, 12})
	if err != nil {
		return Example{}, err
	}
	n, size := a[0], a[1]
	if n/size > 12 {
		return Example{}, say.Refuse("too-many-groups", given("n", n/size), given("most", 12))
	}
	m := begin(r, r.Model+" 0")
	problem := strconv.Itoa(n) + " ÷ " + strconv.Itoa(size)
	m.step(lesson.Step{Say: line("group.of", given("n", n), given("size", size)),
		Moves: []board.Move{m.acts.Build(strconv.Itoa(n))}})
	m.table("groups", "in all")
	for g := 1; g <= n/size; g++ {
		s := lesson.Step{
			Say: line("group.another", given("size", size)), Ask: line("group.left"),
			Answer: noneOr("group.left.answer", n-g*size, answer("g", g), answer("left", n-g*size)),
			Moves:  m.newGroup(g, size), Write: []lesson.Write{row(strconv.Itoa(g), strconv.Itoa(g*size))},
		}
		if g > 2 && n/size-g >= 2 {
			// The rest goes on in the same way: it is told in one.
			s.Say, s.Ask, s.Answer = line("group.go-on", given("g", n/size-1)), say.Line{}, say.Line{}
			for g++; g < n/size; g++ {
				s.Moves = append(s.Moves, m.newGroup(g, size)...)
				s.Write = append(s.Write, row(strconv.Itoa(g), strconv.Itoa(g*size)))
			}
			g--
		}
		switch g {
		case 2:
			m.key(s)
		default:
			m.step(s)
		}
	}
	more, full := "group.more", "group.full"
	if n < size { // there is no group yet
		more, full = "group.any", "group.full.any"
	}
	m.first(lesson.Step{
		Ask: line(more), Answer: line(more+"."+noneOrSome(n%size), given("left", n%size), given("size", size)),
	})
	if n%size > 0 {
		m.why(line(full), line(full+".answer", answer("more", size-n%size), given("size", size), given("left", n%size)))
	}
	m.explains = false
	e, err := m.endDivision(problem, n, size, n/size, size)
	e.like = noneOrSome(n % size)
	e.hard = hardness{"harder.table": tableOf(size), "harder.remainder": min(1, n%size), "harder.group": n / size}
	return e, err
}

// newGroup are the moves that set one more group: the first of those that lie beside
// go into it.
func (m *maker) newGroup(g, size int) []board.Move {
	slots := make([]int, size)
	for i := range slots {
		slots[i] = (g-1)*size + i
	}
	return []board.Move{m.acts.Groups(g), m.acts.Put(slots, g)}
}

func noneOrSome(n int) string {
	if n == 0 {
		return "none"
	}
	return "some"
}
