package method

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

// snap breaks a train of cubes in two, and reads its family of sentences.
var snap = Spec{
	ID: "snap", Title: "Snap a train", Operation: "add",
	Doc: "A train of cubes is snapped at a chosen place or by chance; count on from the first part; the bond and " +
		"the sentences of the family.",
	Args:   "a whole, and where it breaks if you like",
	Sample: []string{"9", "5"}, Typed: "9, 5",
	Limits: "A whole of 2 to 20.",
	Models: []string{"cubes"},
	stops:  factStops,
	grow:   numbersTo(20, 19),
	make:   makeSnap,
	read:   count.read,
}

func makeSnap(r Request) (Example, error) {
	limits := [][2]int{{2, 20}}
	if len(r.Args) > 1 {
		limits = append(limits, [2]int{1, 19})
	}
	a, err := arguments(r, limits...)
	if err != nil {
		return Example{}, err
	}
	n, at := a[0], 0
	if len(a) > 1 {
		if at = a[1]; at >= n {
			return Example{}, say.Refuse("snap-inside", given("n", n), given("at", at))
		}
	} else {
		at = 1 + (n*7+3)%(n-1)
	}
	rest := n - at
	m := begin(r, r.Model+" 0")
	m.step(lesson.Step{Say: line("snap.train", given("n", n)), Moves: []board.Move{m.acts.Build(strconv.Itoa(n))}})
	m.first(lesson.Step{
		Say: line("snap.hide"), Ask: line("snap.hidden", given("n", n), given("at", at)),
		Answer: line("snap.hidden.answer", answer("rest", rest), given("at", at), given("n", n)),
		Moves:  m.covered(m.acts.Snap(at), "train", 2),
	})
	m.why(line("snap.why"), line("snap.why.answer", given("n", n), given("at", at), answer("rest", rest)))
	m.step(lesson.Step{
		Say: line("snap.lift"), Ask: line("snap.lift.ask"), Answer: line("snap.lift.answer", answer("rest", rest)),
		Moves: []board.Move{{Kind: "uncover"}}, Write: []lesson.Write{bond(n, at, rest)},
	})
	family := []lesson.Write{m.sentence(sumText([2]int{at, rest}), strconv.Itoa(n))}
	if at != rest {
		family = append(family, m.sentence(sumText([2]int{rest, at}), strconv.Itoa(n)))
	}
	family = append(family, m.sentence(minusText(n, at), strconv.Itoa(rest)))
	if at != rest {
		family = append(family, m.sentence(minusText(n, rest), strconv.Itoa(at)))
	}
	var sentences []string
	for _, w := range family {
		sentences = append(sentences, w.Text)
	}
	m.key(lesson.Step{
		Say: line("snap.three"), Ask: line("snap.sentences"),
		Answer: line("snap.sentences.answer", answerText("list", say.Listed(sentences))), Write: family,
	})
	e, err := m.end(strconv.Itoa(n)+" snapped after "+strconv.Itoa(at), sumText([2]int{at, rest}))
	e.hard = hardness{"harder.whole": n}
	// Where it breaks is asked: the title does not tell.
	e.Scene.Title = strconv.Itoa(n) + " snapped"
	return e, err
}

// covered are moves, and one that then covers a zone of the model.
func (m *maker) covered(moves []board.Move, role string, number int) []board.Move {
	shown, err := board.ApplyAll(m.now, moves)
	if err != nil || m.err != nil {
		return moves
	}
	for _, z := range shown.Lay(0).Zones {
		if r, n := z.Is(); r == role && n == number {
			return append(moves, board.Move{Kind: "cover", Args: board.CoverArgs{Zone: z.ID}})
		}
	}
	return append(moves, board.Move{Kind: "cover", Args: board.CoverArgs{Zone: board.AllZone}})
}
