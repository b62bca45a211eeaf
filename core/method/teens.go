package method

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
)

// teens shows the numbers from ten to twenty as one ten and so many ones.
var teens = Spec{
	ID: "teens", Title: "Ten and so many", Operation: "number",
	Doc:    "A number from 10 to 20 as one ten and so many ones, or the run of all; the fast way set against one by one.",
	Args:   "a number from 10 to 20, or run",
	Sample: []string{"13"}, Typed: "13",
	Limits: "10 to 20, or the word run.",
	Models: []string{"rack"},
	make:   makeTeens,
}

func makeTeens(r Request) (Example, error) {
	if len(r.Args) != 1 {
		return Example{}, needs(r)
	}
	m := begin(r, specOf(r.Model).Empty(20))
	if r.Args[0] == "run" {
		for n := 10; n <= 20; n++ {
			m.oneTeen(n, n == 10)
		}
		m.key(lesson.Step{Say: line("teens.run"), Ask: line("teens.run.ask"), Answer: line("teens.run.answer")})
		return m.end("10 to 20", "20")
	}
	n, err := wholeNumber(r.Args[0], 10, 20)
	if err != nil {
		return Example{}, err
	}
	m.oneTeen(n, true)
	m.step(lesson.Step{
		Say: line("teens.slow", given("n", n)), Ask: line("teens.slow.ask"),
		Answer: line("teens.slow.answer", answer("slow", n), answer("fast", fastPushes(n))),
		Moves:  []board.Move{{Kind: m.spec.Empties}}, Write: []lesson.Write{row("one by one", strconv.Itoa(n)),
			row("by tens", strconv.Itoa(fastPushes(n)))},
	})
	m.step(lesson.Step{
		Say: line("teens.check"), Ask: line("teens.check.ask"), Answer: line("teens.check.answer", answer("n", n)),
		Moves: []board.Move{m.acts.Build(strconv.Itoa(n))},
	})
	return m.end(strconv.Itoa(n), strconv.Itoa(n))
}

func fastPushes(n int) int {
	if n == 10 || n == 20 {
		return 1
	}
	return 2
}

// oneTeen shows one number from 10 to 20: a whole row, and what more.
func (m *maker) oneTeen(n int, first bool) {
	ones := n - 10
	var moves []board.Move
	if first {
		moves = append(moves, m.acts.Slide(board.Row{Row: 1, To: 10}))
	}
	if ones > 0 {
		moves = append(moves, m.acts.Slide(board.Row{Row: 2, To: ones}))
	}
	id, sentence := "teens.some", m.sentence("10 + "+strconv.Itoa(ones), strconv.Itoa(n))
	switch n {
	case 10:
		id, sentence = "teens.ten", m.sentence("10 + 0", "10")
	case 20:
		id, sentence = "teens.twenty", m.sentence("10 + 10", "20")
	}
	v := place.Int(n)
	m.key(lesson.Step{
		Say: line("teens.say"), Ask: line("teens.ask"),
		Answer: line(id, answer("ones", ones), answer("n", n), answerText("placeWords", v.PlaceWords()),
			answerText("words", v.Words(true))),
		Moves: moves, Write: []lesson.Write{sentence},
	})
}
