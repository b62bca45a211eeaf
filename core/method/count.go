package method

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// count goes on or back in equal steps, crossing tens and hundreds.
var count = Spec{
	ID: "count", Title: "Count in steps", Operation: "number",
	Doc: "From a start on in equal steps, or back with a minus before the step: each number said, to a hundred in " +
		"place-value words too, tens and hundreds crossed on the model.",
	Args:   "a start, a step, and how many",
	Sample: []string{"37", "10", "8"}, Typed: "37, 10, 8",
	Limits: "Steps of two digits at most and noughts after them, like 2, 25 or 300, on, or back like −10; 1 to 30 of " +
		"them. Blocks and discs to 9,999; rack and counters to 100.",
	Models:  []string{"blocks", "discs", "rack", "counters"},
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

// counted is what is counted: from where, in steps of what, how many, and whether back.
type counted struct {
	start, by, times int
	back             bool
}

// at is where a step comes to.
func (c counted) at(step int) int {
	if c.back {
		return c.start - c.by*step
	}
	return c.start + c.by*step
}

// id is that of a sentence, which has another where it goes back.
func (c counted) id(id string) string {
	if c.back {
		return id + ".down"
	}
	return id
}

func readCount(r Request) (counted, error) {
	var c counted
	r.Args = slices.Clone(r.Args)
	if len(r.Args) > 1 {
		by := strings.TrimPrefix(strings.Replace(r.Args[1], "−", "-", 1), "-")
		if c.back = by != "" && by != r.Args[1]; c.back {
			r.Args[1] = by
		}
	}
	a, err := arguments(r, [2]int{0, 9999}, [2]int{1, 9900}, [2]int{1, 9999})
	if err != nil {
		return c, err
	}
	c.start, c.by, c.times = a[0], a[1], a[2]
	if c.times > 30 {
		return c, say.Refuse("count-many", given("n", c.times))
	}
	if len(strings.TrimRight(strconv.Itoa(c.by), "0")) > 2 {
		return c, say.Refuse("count-step", given("n", c.by))
	}
	end := c.at(c.times)
	if end < 0 {
		return c, say.Refuse("count-back", given("start", c.start), given("by", c.by), given("most", c.start/c.by))
	}
	if end > 9999 {
		return c, say.Refuse("method-range", given("n", end), given("least", 0), given("most", 9999))
	}
	return c, fitsModel(r.Model, place.Int(max(c.start, end)))
}

func makeCount(r Request) (Example, error) {
	c, err := readCount(r)
	if err != nil {
		return Example{}, err
	}
	empty := r.Model + " 0"
	if actsOf(r.Model).Step != nil {
		empty = specOf(r.Model).Empty(max(c.start, c.at(c.times)))
	}
	m := begin(r, empty)
	m.step(lesson.Step{
		Say:   line(c.id("count.from"), given("n", c.start), given("by", c.by)),
		Moves: []board.Move{m.acts.Build(strconv.Itoa(c.start))},
		Write: []lesson.Write{m.countRow(c, 0)},
	})
	var again []board.Move
	told := false
	for i := 1; i <= c.times; i++ {
		from, n := place.Int(c.at(i-1)), place.Int(c.at(i))
		tens := m.tensCrossed(from, n)
		s := lesson.Step{
			Say: line(c.id("count.next"), given("by", c.by)), Ask: line("count.then"),
			Answer: line("count.then.answer", say.Number("n", say.Answer, n), answerText("words", n.Words(true))),
			Moves:  append(m.countNew(), m.countStep(c.by, c.back)...),
			Write:  []lesson.Write{m.countRow(c, i)},
		}
		again = append(again, m.countStep(c.by, !c.back)...)
		if tens != "" {
			s.Ask = line("count.digits")
			s.Answer = line("count.digits.answer", answerText("changed", say.Listed(m.placeNames(changedPlaces(from, n)))),
				say.Number("n", say.Answer, n), answerText("crossed", tens))
		}
		switch {
		case tens != "" && !told:
			told = true
			m.first(s)
		case i == c.times:
			m.key(s)
		default:
			m.step(s)
		}
	}
	switch {
	case !c.inWords():
		m.table("steps", "number")
	case m.acts.Step == nil:
		m.table("number", "in words", "place by place")
	default:
		m.table("number", "in words")
	}
	m.countWhy(c, told)
	all, end := c.by*c.times, strconv.Itoa(c.at(c.times))
	if c.times > 1 && m.checks {
		whole := sumText([2]int{c.start, all})
		if c.back {
			whole = minusText(c.start, all)
		} else if c.start == 0 {
			whole = timesText(c.times, c.by)
		}
		m.step(lesson.Step{
			Say: line(c.id("count.back"), given("times", c.times), given("by", c.by)), Ask: line("count.back.ask"),
			Answer: line("count.back.answer", answer("all", all), answer("start", c.start), given("times", c.times),
				given("by", c.by)),
			Moves: again,
			Write: []lesson.Write{m.sentence(whole, end)},
		})
	}
	way := " in steps of "
	if c.back {
		way = " back in steps of "
	}
	return m.end(strconv.Itoa(c.start)+way+strconv.Itoa(c.by), end)
}

// countStep lays or takes what one step is, piece by piece and the smallest first where there are places.
func (m *maker) countStep(by int, down bool) []board.Move {
	if m.acts.Step != nil {
		return []board.Move{m.acts.Step(by, down)}
	}
	var moves []board.Move
	for _, c := range slices.Backward(place.Int(by).UnitForm()) {
		for range c.Count {
			moves = append(moves, stepped(c.Place, down))
		}
	}
	return moves
}

// tensCrossed tells what becomes of a ten between a number and the next, where more than its own digit
// changes.
func (m *maker) tensCrossed(from, to place.Number) string {
	if m.acts.Step == nil {
		return crossed(m.r.words(), from, to)
	}
	before, after := from.Count(place.Tens), to.Count(place.Tens)
	id := "count.full"
	if after < before {
		id = "count.begun"
	}
	if after == before || from.Digit(place.Ones) == to.Digit(place.Ones) {
		return ""
	}
	return say.New(id).Text(m.r.words())
}

// inWords reports whether no number is more than a hundred: longer words are said, and would leave the table and the
// pieces too small to be read.
func (c counted) inWords() bool { return max(c.start, c.at(c.times)) <= 100 }

// countRow is a number in the table: its digits, its words, and its places where there are columns for
// them and they say something else; or after how many steps it comes.
func (m *maker) countRow(c counted, step int) lesson.Write {
	n := place.Int(c.at(step))
	if !c.inWords() {
		return row(strconv.Itoa(step), n.String())
	}
	cells := []string{n.String(), n.Words(true)}
	if m.acts.Step == nil {
		cells = append(cells, "")
		if n.PlaceWords() != n.Words(true) {
			cells[2] = n.PlaceWords()
		}
	}
	return row(cells...)
}

// countWhy asks why a digit stays, or when the next place changes.
func (m *maker) countWhy(c counted, crosses bool) {
	form := place.Int(c.by).UnitForm()
	p, each := form[0].Place, form[0].Count
	ask := line("count.why", given("d", c.start%10))
	switch {
	case c.by%10 != 0 && crosses:
		m.why(line("count.when"), line(c.id("count.when.answer")))
	case c.by%10 != 0:
	case len(form) > 1:
		m.why(ask, line(c.id("count.why.none")))
	case each == 1:
		m.why(ask, line(c.id("count.why.answer"), say.PlaceName("place", p)))
	default:
		m.why(ask, line(c.id("count.why.several"), given("each", each), say.PlaceName("place", p)))
	}
}
