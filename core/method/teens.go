package method

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// teens shows the numbers from ten to twenty as one ten and so many ones.
var teens = Spec{
	ID: "teens", Title: "Ten and so many", Operation: "number",
	Doc:    "A number from 10 to 20 as one ten and so many ones, or the run of all; the fast way set against one by one.",
	Args:   "a number from 10 to 20, or the word run",
	Sample: []string{"13"}, Typed: "13",
	Limits: "10 to 20, or the word run.",
	Models: []string{"rack", "counters", "cubes"},
	Options: []Option{
		{Name: "sentence", Doc: "The class's own sentence, with two numbers in curly braces: the whole, and what is over " +
			"ten.", Sample: "{16} is ten, and {6} on top"},
	},
	stops: factStops,
	make:  makeTeens,
}

func makeTeens(r Request) (Example, error) {
	if len(r.Args) != 1 {
		return Example{}, needs(r)
	}
	if own := r.Options["sentence"]; own != "" {
		if story, ok := say.ReadStory(own); !ok || len(story.Numbers()) != 2 || len([]rune(own)) > say.MostOfStory {
			return Example{}, say.Refuse("story-two")
		}
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
	m.table("way", "moves")
	m.key(lesson.Step{
		Say: line(m.againFrom(), given("n", n)), Ask: line("teens.fewer"),
		Answer: line("teens.fewer.answer", answer("slow", n), answer("fast", fastPushes(n))),
		Moves:  []board.Move{{Kind: m.spec.Empties}, m.acts.Build(m.teenForm(n))},
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
	if story, own := say.ReadStory(m.r.Options["sentence"]); own {
		s.Answer = line("teens.own", answerText("told", story.Tell(strconv.Itoa(n), strconv.Itoa(ones))))
	}
	if !first {
		s.Say = line(m.ofFrames("teens.bead", "countOn.counter"))
		if m.isOfCubes() {
			s.Say = line("teens.cube")
		}
	}
	if first || n == 20 {
		m.first(s)
		return
	}
	m.key(s)
}

// tenAnd are the moves that put a whole ten down and so many more, or one more.
func (m *maker) tenAnd(ones int, first bool) []board.Move {
	if m.isOfCubes() {
		return m.teenOfCubes(ones, first)
	}
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

// againFrom says that the model is emptied, in its words.
func (m *maker) againFrom() string {
	if m.acts.Slide != nil {
		return "teens.home"
	}
	return "teens.away"
}

// isOfCubes tells whether a ten is a tower of cubes beside a train.
func (m *maker) isOfCubes() bool { return m.acts.Tower != nil }

// teenForm is a number as it is built at once: a ten of cubes is a tower.
func (m *maker) teenForm(n int) string {
	if m.isOfCubes() {
		return place.Int(n).UnitForm().String()
	}
	return strconv.Itoa(n)
}

// teenOfCubes are the moves that lay a tower of ten and a train of so many more, or put
// one more cube on the train; a train of ten is a tower too.
func (m *maker) teenOfCubes(ones int, first bool) []board.Move {
	var moves []board.Move
	switch {
	case first:
		moves = m.lay(1, place.Tens, 0)
		if ones < 10 {
			return append(moves, m.lay(ones, place.Ones, 0)...)
		}
		return append(moves, m.lay(1, place.Tens, 0)...)
	case ones == 1:
		moves = m.lay(1, place.Ones, 0)
	default:
		moves = []board.Move{m.acts.Extend(1, 1, 0)}
	}
	if ones == 10 {
		moves = append(moves, m.acts.Tower(1))
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
