package method

import (
	"strconv"
	"strings"

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
	Limits: "To 144, groups of 1 to 12, at most 12 groups.",
	Models: []string{"counters"},
	make:   makeGroup,
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
	m.key(lesson.Step{
		Say: line("group.start", given("n", n), given("size", size)),
		Ask: line("group.steps", given("size", size), given("n", n)), Answer: inSteps(n, size),
		Moves: []board.Move{m.acts.Build(strconv.Itoa(n))},
	})
	for g := 1; g <= n/size; g++ {
		// The first of those that lie beside go into the new group.
		slots := make([]int, size)
		for i := range slots {
			slots[i] = (g-1)*size + i
		}
		m.step(lesson.Step{
			Say: line("group.one", given("size", size)), Ask: line("group.one.ask"),
			Answer: line("group.one.answer", answer("g", g), answer("left", n-g*size)),
			Moves:  []board.Move{m.acts.Groups(g), m.acts.Put(slots, g)}, Write: []lesson.Write{row(strconv.Itoa(g), strconv.Itoa(g*size))},
		})
	}
	return m.endDivision(problem, n, size)
}

// inSteps foretells whether steps of a size meet a number.
func inSteps(n, size int) say.Line {
	if n < size {
		return line("group.steps.few", given("size", size), given("n", n))
	}
	var steps []string
	for s := size; s < n+size; s += size {
		steps = append(steps, strconv.Itoa(s))
	}
	id := "group.steps.yes"
	if n%size > 0 {
		id = "group.steps.no"
	}
	return line(id, answerText("steps", strings.Join(steps, ", ")))
}
