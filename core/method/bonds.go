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
	Doc: "Every way to split a whole to 20 in two, in order, on counters of two colours, in a table and as " +
		"sentences; then what is noticed.",
	Args:   "a whole",
	Sample: []string{"6"}, Typed: "6",
	Limits: "1 to 20.",
	Models: []string{"counters"},
	Options: []Option{
		choice("zero", "Whether a part may be 0.", "allowed", "not allowed"),
		choice("pairs", "Each pair both ways round, or only once.", "both ways", "once"),
		{Name: storyOption.Name, Doc: "What the counters stand for, like bulbs: each pair is then told of two beds.",
			Sample: "bulbs"},
		seenOption,
	},
	stops: factStops,
	grow:  numbersTo(19),
	make:  makeBonds,
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
	last := least // of the first parts
	once := r.Options["pairs"] == "once"
	if once {
		last = (n + 1) / 2
	}
	rows := 1
	if n > 12 {
		rows = 2
	}
	m := begin(r, actsOf(r.Model).Frames(1, rows, (n+rows-1)/rows))
	pairs := n - least - last + 1
	ask, said := "bonds.next", "bonds.pair"
	things := strings.TrimSpace(r.Options[storyOption.Name])
	opening := lesson.Step{Say: line("bonds.all-ways", given("n", n)), Moves: []board.Move{m.acts.Build(strconv.Itoa(n))}}
	story, own := say.ReadStory(things)
	switch {
	case own && (len(story.Numbers()) != 2 || len([]rune(things)) > say.MostOfStory):
		return Example{}, say.Refuse("story-two")
	case own:
		ask = "bonds.story.next"
		opening.Moves = append(opening.Moves, m.acts.Story(story.Things()[0])...)
	case things != "":
		if _, err := place.ParsePlace(things); err == nil || len([]rune(things)) > 40 {
			return Example{}, say.Refuse("story-thing", text("story", things))
		}
		ask, said = "bonds.beds.next", "bonds.beds.pair"
		opening.Say = line("bonds.beds", given("n", n), text("things", thingsFor(n, things)))
		opening.Moves = append(opening.Moves, m.acts.Story(things)...)
	}
	m.step(opening)
	m.table("part", "part", "together")
	pair := func(first int) lesson.Write {
		return row(strconv.Itoa(first), strconv.Itoa(n-first), m.sentence(sumText([2]int{first, n - first}),
			strconv.Itoa(n)).Text)
	}
	for first := n - least; first >= last; first-- {
		s := lesson.Step{
			Say: line("bonds.then"), Ask: line(ask),
			Answer: line(said, answer("first", first), answer("second", n-first)),
			Moves:  []board.Move{m.acts.Parts(first)}, Write: []lesson.Write{pair(first)},
		}
		if own {
			s.Answer = line("bonds.story.pair", answerText("told", story.Tell(strconv.Itoa(first), strconv.Itoa(n-first))))
		}
		done := n - least - first
		if done >= shownPairs && first > last {
			// The rest goes on in the same way: it is told in one.
			s = lesson.Step{Say: line("bonds.go-on", given("least", last), given("most", n-last))}
			for ; first >= last; first-- {
				s.Moves, s.Write = append(s.Moves, m.acts.Parts(first)), append(s.Write, pair(first))
			}
			m.step(s)
			break
		}
		switch done {
		case 0:
			s.Say, s.Ask = line("bonds.first"), line("bonds.colours")
			m.step(s)
		case 2:
			m.first(s)
		default:
			m.key(s)
		}
	}
	if err := m.seen(false, m.bondSights(n)...); err != nil {
		return Example{}, err
	}
	m.key(lesson.Step{Say: line("bonds.table"), Ask: line("bonds.many"), Answer: line("bonds.many.answer",
		answer("pairs", pairs))})
	switch {
	case pairs > 1 && once:
		m.why(line("bonds.sure"), line("bonds.sure.once", given("last", last), given("rest", n-last)))
	case pairs > 2:
		m.why(line("bonds.sure"), line("bonds.sure.answer", given("most", n-least), given("least", least)))
	}
	e, err := m.end(strconv.Itoa(n), strconv.Itoa(pairs))
	e.like = strconv.Itoa((n - 1) / 5) // a whole nearby
	e.hard = hardness{"harder.whole": n}
	return e, err
}

// shownPairs is how many pairs are found one by one, before the rest is told.
const shownPairs = 6

// thingsFor is the name of a thing for a count: one bulb, two bulbs, however it was told.
func thingsFor(n int, things string) string {
	if n == 1 {
		return say.OneOf(things)
	}
	return say.ManyOf(things)
}
