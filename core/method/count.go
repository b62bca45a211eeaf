package method

import (
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// count goes on in equal steps, crossing tens and hundreds.
var count = Spec{
	ID: "count", Title: "Count on in steps", Operation: "number",
	Doc: "From a start in steps of 1, 2, 5, 10, 100 or 1,000: each number said in ordinary and in place-value " +
		"words, tens and hundreds crossed on the model.",
	Args:   "a start, a step, and how many",
	Sample: []string{"37", "10", "8"}, Typed: "37, 10, 8",
	Limits: "Steps of 1, 2, 5, 10, 100 or 1,000; 1 to 30 of them; to 9,999.",
	Models: []string{"blocks", "discs"},
	make:   makeCount,
	read: func(text string) []string {
		return strings.FieldsFunc(text, func(r rune) bool { return r == ' ' || r == ',' })
	},
}

func makeCount(r Request) (Example, error) {
	a, err := arguments(r, [2]int{0, 9999}, [2]int{1, 1000}, [2]int{1, 30})
	if err != nil {
		return Example{}, err
	}
	start, by, times := a[0], a[1], a[2]
	p, each := stepOf(by)
	if each == 0 {
		return Example{}, say.Refuse("count-step", given("n", by))
	}
	if start+by*times > 9999 {
		return Example{}, say.Refuse("method-range", given("n", start+by*times), given("least", 0), given("most", 9999))
	}
	m := begin(r, r.Model+" 0")
	m.step(lesson.Step{
		Say: line("count.start", given("n", start), given("by", by)),
		Ask: line("count.predict", given("by", by)), Answer: line("count.predict.answer", say.PlaceName("place", p)),
		Moves: []board.Move{m.acts.Build(strconv.Itoa(start))},
		Write: []lesson.Write{row(strconv.Itoa(start), place.Int(start).Words(true), place.Int(start).PlaceWords())},
	})
	for i := 1; i <= times; i++ {
		n := place.Int(start + by*i)
		said, tens := "count.answer", crossed(m.r.words(), place.Int(start+by*(i-1)), n, p)
		if tens != "" {
			said = "count.crossed"
		}
		s := lesson.Step{
			Say: line("count.next", given("by", by)),
			Ask: line("count.ask"),
			Answer: line(said, say.Number("n", say.Answer, n), answerText("words", n.Words(true)),
				answerText("placeWords", n.PlaceWords()), answerText("crossed", tens)),
			Moves: m.countNew(),
			Write: []lesson.Write{row(n.String(), n.Words(true), n.PlaceWords())},
		}
		for range each {
			s.Moves = append(s.Moves, stepped(p, false))
		}
		m.step(s)
	}
	all, end := by*times, strconv.Itoa(start+by*times)
	if times > 1 {
		m.step(lesson.Step{
			Say: line("count.check"), Ask: line("count.check.ask", given("times", times), given("by", by),
				given("start", start)),
			Answer: line("count.check.answer", answer("all", all), given("start", start), answer("end", start+all)),
			Write:  []lesson.Write{m.sentence(sumText([2]int{start, all}), end)},
		})
	}
	return m.end(strconv.Itoa(start)+" in steps of "+strconv.Itoa(by), end)
}

// stepOf is the place and the number of pieces of a step: 5 is five ones.
func stepOf(by int) (place.Place, int) {
	switch by {
	case 1, 2, 5:
		return place.Ones, by
	case 10:
		return place.Tens, 1
	case 100:
		return place.Hundreds, 1
	case 1000:
		return place.Thousands, 1
	}
	return 0, 0
}
