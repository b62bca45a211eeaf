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
	Models: []string{"rack", "counters"},
	stops:  factStops,
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
		m.first(lesson.Step{Say: line("teens.look-back"), Ask: line("teens.stayed"), Answer: line("teens.stayed.answer")})
		return m.end("10 to 20", "20")
	}
	n, err := wholeNumber(r.Args[0], 10, 20)
	if err != nil {
		return Example{}, err
	}
	m.oneTeen(n, true)
	m.teenWhy(n)
	m.key(lesson.Step{
		Say: line("teens.home", given("n", n)), Ask: line("teens.fewer"),
		Answer: line("teens.fewer.answer", answer("slow", n), answer("fast", fastPushes(n))),
		Moves:  []board.Move{{Kind: m.spec.Empties}, m.acts.Build(strconv.Itoa(n))},
		Write:  []lesson.Write{row("one by one", strconv.Itoa(n)), row("ten first", strconv.Itoa(fastPushes(n)))},
	})
	return m.end(strconv.Itoa(n), strconv.Itoa(n))
}

// fastPushes is how many pushes a number from 10 to 20 takes, a row in each.
func fastPushes(n int) int {
	if n == 10 {
		return 1
	}
	return 2
}

// oneTeen shows one number from 10 to 20: a whole ten, and what more.
func (m *maker) oneTeen(n int, first bool) {
	ones := n - 10
	v := place.Int(n)
	id := "teens.some"
	switch n {
	case 10:
		id = "teens.ten"
	case 20:
		id = "teens.twenty"
	}
	s := lesson.Step{
		Say: line("teens.push", given("n", n)), Ask: line("teens.tens"),
		Answer: line(id, answer("ones", ones), answer("n", n), answerText("placeWords", v.PlaceWords()),
			answerText("words", v.Words(true))),
		Moves: m.tenAnd(ones, first), Write: []lesson.Write{m.sentence("10 + "+strconv.Itoa(ones), strconv.Itoa(n))},
	}
	if !first {
		s.Say = line(m.ofFrames("teens.bead", "countOn.counter"))
	}
	if first || n == 20 {
		m.first(s)
		return
	}
	m.key(s)
}

// tenAnd are the moves that put a whole ten down and so many more, or one more.
func (m *maker) tenAnd(ones int, first bool) []board.Move {
	if m.inFrames() {
		if first {
			return append(m.placed(10, false), m.placed(ones, true)...)
		}
		return m.placed(1, true)
	}
	var moves []board.Move
	if first {
		moves = append(moves, m.acts.Slide(board.Row{Row: 1, To: 10}))
	}
	if ones > 0 {
		moves = append(moves, m.acts.Slide(board.Row{Row: 2, To: ones}))
	}
	return moves
}

// teenWhy asks what each digit says.
func (m *maker) teenWhy(n int) {
	switch n {
	case 10, 20:
		m.why(line("teens.zero", given("n", n)), line("teens.zero.answer", given("tens", n/10)))
	case 11:
		m.why(line("teens.eleven"), line("teens.eleven.answer"))
	default:
		turned := n%10*10 + 1
		m.why(line("teens.turned", given("n", n), given("turned", turned)), line("teens.turned.answer", given("n", n),
			given("ones", n-10), given("turned", turned)))
	}
}
