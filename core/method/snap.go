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
	m.step(lesson.Step{
		Say: line("snap.start", given("n", n)), Ask: line("snap.predict"), Answer: line("snap.predict.answer"),
		Moves: []board.Move{m.acts.Build(strconv.Itoa(n))},
	})
	m.key(lesson.Step{
		Say: line("snap.break"), Ask: line("snap.ask"), Answer: line("snap.answer", answer("at", at), answer("rest", rest)),
		Moves: m.acts.Snap(at),
		Write: []lesson.Write{bond(n, at, rest)},
	})
	m.step(lesson.Step{
		Say: line("snap.count", part("at", at)), Ask: line("snap.count.ask"),
		Answer: line("snap.count.answer", answer("n", n)),
	})
	family := []lesson.Write{m.sentence(sumText([2]int{at, rest}), strconv.Itoa(n))}
	if at != rest {
		family = append(family, m.sentence(sumText([2]int{rest, at}), strconv.Itoa(n)))
	}
	family = append(family, m.sentence(minusText(n, at), strconv.Itoa(rest)))
	if at != rest {
		family = append(family, m.sentence(minusText(n, rest), strconv.Itoa(at)))
	}
	m.key(lesson.Step{
		Say: line("snap.family"), Ask: line("snap.family.ask"),
		Answer: line("snap.family.answer", answer("count", len(family))), Write: family,
	})
	e, err := m.end(strconv.Itoa(n)+" snapped after "+strconv.Itoa(at), sumText([2]int{at, rest}))
	// Where it breaks is asked: the title does not tell.
	e.Scene.Title = strconv.Itoa(n) + " snapped"
	return e, err
}
