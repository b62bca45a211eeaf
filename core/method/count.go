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
	Doc: "From a start in steps of 1 to 9, or of so many tens, hundreds or thousands: each number said in ordinary and " +
		"in place-value words, tens and hundreds crossed on the model.",
	Args:   "a start, a step, and how many",
	Sample: []string{"37", "10", "8"}, Typed: "37, 10, 8",
	Limits:  "Steps of 1 to 9, or as many tens, hundreds or thousands; 1 to 30 of them; to 9,999.",
	Models:  []string{"blocks", "discs"},
	Options: []Option{checkByInverse},
	make:    makeCount,
	// The step and how many of them are what it is about.
	redraw: func(args []string, draw func(int) int) []string {
		return append([]string{redrawn(args[0], draw)}, args[1:]...)
	},
	grow: func(args []string, draw func(int) int) []string {
		return append([]string{grown(args[0], draw)}, args[1:]...)
	},
	read: func(text string) []string {
		return strings.FieldsFunc(text, func(r rune) bool { return r == ' ' || r == ',' })
	},
}

func makeCount(r Request) (Example, error) {
	a, err := arguments(r, [2]int{0, 9999}, [2]int{1, 9000}, [2]int{1, 9999})
	if err != nil {
		return Example{}, err
	}
	start, by, times := a[0], a[1], a[2]
	if times > 30 {
		return Example{}, say.Refuse("count-many", given("n", times))
	}
	p, each := stepOf(by)
	if each == 0 {
		return Example{}, say.Refuse("count-step", given("n", by))
	}
	if start+by*times > 9999 {
		return Example{}, say.Refuse("method-range", given("n", start+by*times), given("least", 0), given("most", 9999))
	}
	m := begin(r, r.Model+" 0")
	m.step(lesson.Step{
		Say:   line("count.from", given("n", start), given("by", by)),
		Moves: []board.Move{m.acts.Build(strconv.Itoa(start))},
		Write: []lesson.Write{countRow(place.Int(start))},
	})
	var back []board.Move
	told := false
	for i := 1; i <= times; i++ {
		from, n := place.Int(start+by*(i-1)), place.Int(start+by*i)
		tens := crossed(m.r.words(), from, n, p)
		s := lesson.Step{
			Say: line("count.next", given("by", by)), Ask: line("count.then"),
			Answer: line("count.then.answer", say.Number("n", say.Answer, n), answerText("words", n.Words(true))),
			Moves:  m.countNew(),
			Write:  []lesson.Write{countRow(n)},
		}
		for range each {
			s.Moves = append(s.Moves, stepped(p, false))
			back = append(back, stepped(p, true))
		}
		if tens != "" {
			s.Ask = line("count.digits")
			s.Answer = line("count.digits.answer", answerText("changed", say.Listed(m.placeNames(changedPlaces(from, n)))),
				say.Number("n", say.Answer, n), answerText("crossed", tens))
		}
		switch {
		case tens != "" && !told:
			told = true
			m.first(s)
		case i == times:
			m.key(s)
		default:
			m.step(s)
		}
	}
	m.table("number", "in words", "place by place")
	m.countWhy(start, p, each, told)
	all, end := by*times, strconv.Itoa(start+by*times)
	if times > 1 && m.checks {
		whole := sumText([2]int{start, all})
		if start == 0 {
			whole = timesText(times, by)
		}
		m.step(lesson.Step{
			Say: line("count.back", given("times", times), given("by", by)), Ask: line("count.back.ask"),
			Answer: line("count.back.answer", answer("all", all), answer("start", start), given("times", times),
				given("by", by)),
			Moves: back,
			Write: []lesson.Write{m.sentence(whole, end)},
		})
	}
	return m.end(strconv.Itoa(start)+" in steps of "+strconv.Itoa(by), end)
}

// countRow is a number in the table: its digits, its words, and its places where they
// say something else.
func countRow(n place.Number) lesson.Write {
	if n.Words(true) == n.PlaceWords() {
		return row(n.String(), n.Words(true), "")
	}
	return row(n.String(), n.Words(true), n.PlaceWords())
}

// countWhy asks why a digit stays, or when the next place changes.
func (m *maker) countWhy(start int, p place.Place, each int, crosses bool) {
	switch {
	case p > place.Ones && each == 1:
		m.why(line("count.why", given("d", start%10)), line("count.why.answer", say.PlaceName("place", p)))
	case p > place.Ones:
		m.why(line("count.why", given("d", start%10)), line("count.why.several", given("each", each),
			say.PlaceName("place", p)))
	case crosses:
		m.why(line("count.when"), line("count.when.answer"))
	}
}

// stepOf is the place and the number of pieces of a step: 5 is five ones, 30 three tens; none of another.
func stepOf(by int) (p place.Place, pieces int) {
	for by >= 10 && by%10 == 0 {
		p, by = p+1, by/10
	}
	if by > 9 {
		return 0, 0
	}
	return p, by
}
