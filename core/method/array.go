package method

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
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
		{"reading", "How 3 × 5 is read.", []string{"3 groups of 5", "5 three times"}},
		seenOption,
	},
	make: makeArray,
}

func makeArray(r Request) (Example, error) {
	f, err := arguments(r, [2]int{1, 12}, [2]int{1, 12})
	if err != nil {
		return Example{}, err
	}
	a, b := f[0], f[1]
	product := strconv.Itoa(a) + " × " + strconv.Itoa(b)
	reading := "array.groups"
	if r.Options["reading"] == "5 three times" {
		reading = "array.times"
	}
	m := begin(r, r.Model+" 0")
	m.key(lesson.Step{
		Say: line("array.start", given("a", a), given("b", b)), Ask: line("array.predict", given("a", a), given("b", b)),
		Answer: line(reading, given("a", a), given("b", b)),
		Moves:  []board.Move{m.acts.Array(a, b)},
	})
	var steps []string
	for i := 1; i <= a; i++ {
		steps = append(steps, strconv.Itoa(i*b))
	}
	m.step(lesson.Step{
		Say: line("array.skip", given("b", b)), Ask: line("array.skip.ask"),
		Answer: line("array.skip.answer", answerText("steps", strings.Join(steps, ", "))),
		Moves:  []board.Move{m.acts.Skip(true)},
		Write:  append(rowsOfSix(steps), m.sentence(product, strconv.Itoa(a*b))),
	})
	m.step(lesson.Step{
		Say: line("array.area"), Ask: line("array.area.ask", given("a", a), given("b", b)),
		Answer: line("array.area.answer", answer("all", a*b), given("a", a), given("b", b)),
		Look:   line("look.squares"),
		Moves:  []board.Move{m.acts.Skip(false), m.acts.Numerals(true)},
		Write:  []lesson.Write{{Kind: "text", Text: "area: " + strconv.Itoa(a*b) + " squares"}},
	})
	if known := knownFactor(a); known > 0 {
		m.key(lesson.Step{
			Say:    line("array.split", given("a", a), given("known", known)),
			Ask:    line("array.split.ask", given("known", known), given("b", b)),
			Answer: line("array.split.answer", answer("first", known*b), answer("second", (a-known)*b), answer("all", a*b)),
			Moves:  []board.Move{m.acts.Numerals(false), m.acts.Shade(known)},
			Write: []lesson.Write{{Kind: "sentence", Text: product + " = " + strconv.Itoa(known) + " × " + strconv.Itoa(b) +
				" + " + strconv.Itoa(a-known) + " × " + strconv.Itoa(b)}},
		})
	}
	m.step(lesson.Step{
		Say: line("array.turn"), Ask: line("array.turn.ask"),
		Answer: line("array.turn.answer", answer("b", b), answer("a", a), answer("all", a*b)),
		Moves:  []board.Move{m.acts.Numerals(false), m.acts.Turn()},
		Write:  []lesson.Write{m.sentence(strconv.Itoa(b)+" × "+strconv.Itoa(a), strconv.Itoa(a*b))},
	})
	if err := m.seen(true, m.arraySight(a, b)); err != nil {
		return Example{}, err
	}
	return m.end(product, strconv.Itoa(a*b))
}

// rowsOfSix are cells in table rows that are not too long to be read.
func rowsOfSix(cells []string) []lesson.Write {
	var rows []lesson.Write
	for some := range slices.Chunk(cells, 6) {
		rows = append(rows, row(some...))
	}
	return rows
}

// knownFactor is the row after which an array is split into a fact that most
// children know: ten times, five times, or double.
func knownFactor(a int) int {
	for _, known := range []int{10, 5, 2} {
		if a > known {
			return known
		}
	}
	return 0
}
