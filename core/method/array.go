package method

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

// array sets equal groups as rows, counts in steps, turns them, and splits a
// product into a known one and the rest.
var array = Spec{
	ID: "array", Title: "Rows and columns", Operation: "multiply",
	Doc: "Equal groups as an array: skip-counting along the edge, its sentence, the area of its squares, turned, " +
		"and split into a known fact and the rest.",
	Args:   "two factors",
	Sample: []string{"7", "x", "6"}, Typed: "7 × 6",
	Limits: "1 × 1 to 12 × 12.",
	Models: []string{"counters"},
	Options: []Option{
		choice("reading", "How 3 × 5 is read.", "3 groups of 5", "5 three times"),
		{Name: "split", Doc: "After which row it is split, like 5: the known fact. Left out, an easy one is taken.",
			Sample: "5"},
		choice("check", "How it is checked.", "by counting in steps", "none"),
		seenOption,
	},
	Signs: "×",
	stops: groupStops,
	grow:  numbersTo(12, 12),
	make:  makeArray,
}

func makeArray(r Request) (Example, error) {
	f, err := arguments(r, [2]int{1, 12}, [2]int{1, 12})
	if err != nil {
		return Example{}, err
	}
	a, b := f[0], f[1]
	product := strconv.Itoa(a) + " × " + strconv.Itoa(b)
	reading := "array.read.groups"
	if r.Options["reading"] == "5 three times" {
		reading = "array.read.times"
	}
	m := begin(r, r.Model+" 0")
	ab := []say.Value{given("a", a), given("b", b)}
	m.key(lesson.Step{
		Say: line("array.look", ab...), Ask: line("array.read", ab...), Answer: line(reading, ab...),
		Moves: []board.Move{m.acts.Array(a, b)},
	})
	var steps []string
	for i := 1; i <= a; i++ {
		steps = append(steps, strconv.Itoa(i*b))
	}
	known := m.knownRows(a, b)
	if known > 0 {
		rest := a - known
		m.first(lesson.Step{
			Ask: line("array.know", ab...), Answer: line("array.know.answer", answer("known", known), given("b", b),
				answer("first", known*b)),
			Moves: []board.Move{m.acts.Shade(known)},
			Write: []lesson.Write{{Kind: "sentence", Text: timesText(known, b) + " = " + strconv.Itoa(known*b)}},
		})
		m.key(lesson.Step{
			Ask: line("array.rest"), Answer: line("array.rest.answer", answer("rest", rest), given("b", b),
				answer("second", rest*b), answer("all", a*b)),
			Write: []lesson.Write{{Kind: "sentence", Text: product + " = " + timesText(known, b) + " + " + timesText(rest, b)},
				m.sentence(product, strconv.Itoa(a*b))},
		})
		m.why(line("array.why", given("a", a), given("known", known), given("rest", rest)), line("array.why.answer",
			given("a", a), given("b", b), given("known", known), given("rest", rest)))
	} else {
		m.first(lesson.Step{Ask: line("facts.total"), Answer: line("array.is", answer("all", a*b)),
			Write: []lesson.Write{m.sentence(product, strconv.Itoa(a*b))}})
		if a != b {
			m.why(line("array.why.turn", ab...), line("array.why.turn.answer", ab...))
		}
	}
	if m.checks && a > 1 {
		m.step(lesson.Step{
			Say: line("array.steps", given("b", b)), Ask: line("array.steps.ask"),
			Answer: line("array.steps.answer", answerText("steps", strings.Join(steps, ", ")), answer("all", a*b)),
			Moves:  []board.Move{m.acts.Skip(true)}, Write: rowsOfCounts(steps),
		})
	}
	m.step(lesson.Step{
		Say: line("array.squares"), Ask: line("array.cover", ab...),
		Answer: line("array.cover.answer", answer("all", a*b), given("a", a), given("b", b)),
		Look:   line("look.squares"),
		Moves:  []board.Move{m.acts.Skip(false), m.acts.Numerals(true)},
		Write:  []lesson.Write{{Kind: "text", Text: "area: " + strconv.Itoa(a*b) + " " + thingsFor(a*b, "squares")}},
	})
	if a != b {
		m.step(lesson.Step{
			Say: line("array.side"), Ask: line("turn.still"),
			Answer: line("array.side.answer", given("b", b), given("a", a), answer("all", a*b)),
			Moves:  []board.Move{m.acts.Numerals(false), m.acts.Turn()},
			Write:  []lesson.Write{m.sentence(timesText(b, a), strconv.Itoa(a*b))},
		})
	}
	if err := m.seen(true, m.arraySight(a, b)); err != nil {
		return Example{}, err
	}
	e, err := m.end(product, strconv.Itoa(a*b))
	e.hard = tablesHardness(a, b)
	e.hard["harder.rest"] = 0
	if known > 0 {
		e.hard["harder.rest"] = a - known - 1
	}
	e.like = strconv.Itoa(known) + strconv.FormatBool(a == b)
	return e, err
}

func timesText(a, b int) string { return strconv.Itoa(a) + " × " + strconv.Itoa(b) }

// rowsOfCounts are cells in table rows that are not too long to be read: one, or two that
// are alike.
func rowsOfCounts(cells []string) []lesson.Write {
	const most = 7
	long := max(1, len(cells))
	if long > most {
		long = (long + 1) / 2
	}
	var rows []lesson.Write
	for some := range slices.Chunk(cells, long) {
		rows = append(rows, row(some...))
	}
	return rows
}

// knownRows is the row after which an array is split into a fact that most children
// know and the rest; 0 where the product itself is one: by 1, 2, 5 or 10.
func (m *maker) knownRows(a, b int) int {
	if chosen, err := strconv.Atoi(m.r.Options["split"]); err == nil && chosen > 0 && chosen < a {
		return chosen
	}
	easy := func(n int) bool { return n == 1 || n == 2 || n == 5 || n == 10 }
	if easy(a) || easy(b) {
		return 0
	}
	for _, known := range []int{10, 5, 2} {
		if a > known {
			return known
		}
	}
	return 0
}
