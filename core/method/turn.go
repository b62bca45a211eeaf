package method

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
)

// turn shows that a sum and a product are the same either way round.
var turn = Spec{
	ID: "turn", Title: "Either way round", Operation: "add",
	Doc:    "a + b and b + a, or a × b and b × a: the same total either way round, before and after side by side.",
	Args:   "a sum or a product",
	Sample: []string{"6", "+", "3"}, Typed: "6 + 3",
	Limits: "Addends to 20 altogether 40; factors 1 to 12.",
	Models: []string{"counters"},
	Signs:  "+×",
	stops:  factStops,
	grow:   numbersTo(9, 9),
	make:   makeTurn,
}

func makeTurn(r Request) (Example, error) {
	times := len(r.Args) == 3 && mirrored(r.Args[1]) == "×"
	limit := [2]int{1, 20}
	if times {
		limit = [2]int{1, 12}
	}
	a, err := arguments(r, limit, limit)
	if err != nil {
		return Example{}, err
	}
	x, y := a[0], a[1]
	left, right, total := sumText([2]int{x, y}), sumText([2]int{y, x}), x+y
	acts := actsOf(r.Model)
	build, change := acts.Build(left), acts.Swap()
	if times {
		left, right, total = strconv.Itoa(x)+" × "+strconv.Itoa(y), strconv.Itoa(y)+" × "+strconv.Itoa(x), x*y
		build, change = acts.Array(x, y), acts.Turn()
	}
	m := begin(r, r.Model+" 0")
	m.key(lesson.Step{
		Say: line("turn.show", text("left", left)), Ask: line("turn.much"),
		Answer: line("turn.much.answer", answer("total", total)),
		Moves:  []board.Move{build}, Write: []lesson.Write{m.sentence(left, strconv.Itoa(total))},
	})
	m.first(lesson.Step{
		Say: line("turn.round", text("right", right)), Ask: line("turn.still"),
		Answer: line("turn.still.answer", answer("total", total)),
		Moves:  []board.Move{{Kind: "keep"}, change}, Write: []lesson.Write{m.sentence(right, strconv.Itoa(total)),
			{Kind: "sentence", Text: left + " = " + right}},
	})
	switch {
	case times:
		m.why(line("turn.sure"), line("turn.sure.rows"))
	case x == y:
		m.why(line("turn.sure"), line("turn.sure.alike"))
	default:
		big, small := max(x, y), min(x, y)
		m.step(lesson.Step{Ask: line("turn.sure"), Answer: line("turn.sure.answer")})
		m.why(line("turn.minus", given("big", big), given("small", small)), line("turn.minus.answer", given("big", big),
			given("small", small), given("d", big-small)))
	}
	e, err := m.end(left, strconv.Itoa(total))
	e.hard = factHardness(x, y)
	if times {
		e.hard = tablesHardness(x, y)
	}
	e.like = strconv.Itoa(place.Int(x).Cmp(place.Int(y))) + strconv.FormatBool(min(x, y) > 1)
	return e, err
}
