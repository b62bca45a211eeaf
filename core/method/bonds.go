package method

import (
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// bonds shows all pairs of a whole, in order.
var bonds = Spec{
	ID: "bonds", Title: "All pairs of a number", Operation: "add",
	Doc: "Every way to part a whole to 20 in two, in order, on counters of two colours, in a table and as " +
		"sentences; then what is noticed.",
	Args:   "a whole",
	Sample: []string{"6"}, Typed: "6",
	Limits: "1 to 20.",
	Models: []string{"counters"},
	Options: []Option{
		{"zero", "Whether a part may be 0.", []string{"allowed", "not allowed"}},
		{Name: "story", Doc: "What the counters stand for, like bulbs: each pair is then told of two beds."},
		seenOption,
	},
	make: makeBonds,
}

func makeBonds(r Request) (Example, error) {
	a, err := arguments(r, [2]int{1, 20})
	if err != nil {
		return Example{}, err
	}
	n := a[0]
	least := 0
	if r.Options["zero"] == "not allowed" {
		least = 1
	}
	if n < 2*least {
		return Example{}, say.Refuse("bonds-two")
	}
	rows := 1
	if n > 12 {
		rows = 2
	}
	m := begin(r, actsOf(r.Model).Frames(1, rows, (n+rows-1)/rows))
	pairs := n - 2*least + 1
	opening := lesson.Step{
		Say: line("bonds.start", given("n", n)), Ask: line("bonds.predict"),
		Answer: line("bonds.predict.answer", answer("pairs", pairs)),
		Moves:  []board.Move{m.acts.Build(strconv.Itoa(n))},
	}
	ask, said := "bonds.ask", "bonds.answer"
	story := strings.TrimSpace(r.Options["story"])
	if story != "" {
		if _, err := place.ParsePlace(story); err == nil || len([]rune(story)) > 40 {
			return Example{}, say.Refuse("story-thing", text("story", story))
		}
		ask, said = "bonds.story.ask", "bonds.story.answer"
		opening.Say = line("bonds.story", given("n", n), text("story", story))
		opening.Moves = append(opening.Moves, m.acts.Story(story)...)
	}
	m.step(opening)
	for first := n - least; first >= least; first-- {
		m.step(lesson.Step{
			Say: line("bonds.turn"), Ask: line(ask, text("story", story)),
			Answer: line(said, answer("first", first), answer("second", n-first), text("story", story)),
			Moves:  []board.Move{m.acts.Parts(first)},
			Write: []lesson.Write{row(strconv.Itoa(first), strconv.Itoa(n-first),
				m.sentence(sumText([2]int{first, n - first}), strconv.Itoa(n)).Text)},
		})
	}
	if err := m.seen(false, m.bondSights(n)...); err != nil {
		return Example{}, err
	}
	m.key(lesson.Step{Say: line("bonds.all"), Ask: line("bonds.notice"), Answer: line("bonds.notice.answer")})
	return m.end(strconv.Itoa(n), strconv.Itoa(pairs))
}
