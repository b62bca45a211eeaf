package method

import (
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
	"unitbloom/core/sentence"
)

// compare lines two numbers up by place: the first place that differs decides.
// Two short sentences are compared by reasoning before they are reckoned.
var compare = Spec{
	ID: "compare", Title: "Compare", Operation: "number",
	Doc: "Two numbers aligned by place, zeros put where digits are missing; the first place that differs decides. " +
		"Or two sums by reasoning before reckoning.",
	Args:   "two numbers, or two sums",
	Sample: []string{"408", "480"}, Typed: "408, 480",
	Limits: "Numbers from 0 to 9,999,999.999; sums of two whole numbers to 9,999.",
	Models: []string{"discs", "blocks"},
	make:   makeCompare,
	read: func(text string) []string {
		for _, sep := range []string{" and ", ",", "?", "<", ">", "="} {
			if a, b, ok := strings.Cut(text, sep); ok {
				return []string{strings.TrimSpace(a), strings.TrimSpace(b)}
			}
		}
		return strings.Fields(text)
	},
}

func makeCompare(r Request) (Example, error) {
	if len(r.Args) != 2 {
		return Example{}, needs(r)
	}
	if strings.Contains(r.Args[0], "+") || strings.Contains(r.Args[1], "+") {
		return compareSums(r)
	}
	var w [2]place.Written
	for i, a := range r.Args {
		read, err := place.Parse(a)
		if err != nil {
			return Example{}, badNumber(err)
		}
		if err := fitsModel(r.Model, read.Number); err != nil {
			return Example{}, err
		}
		w[i] = read
	}
	a, b := w[0].Number, w[1].Number
	m := begin(r, r.Model+" 0 | "+r.Model+" 0")
	m.key(lesson.Step{
		Say: line("compare.start", say.Number("a", say.Given, a), say.Number("b", say.Given, b)),
		Ask: line("compare.predict"), Answer: line("compare.predict.answer"),
		Moves: m.charts(a, b),
		Write: []lesson.Write{row(a.String()), row(b.String())},
	})
	m.zeros(a, b)
	for p := max(a.Top(), b.Top()); p >= place.Smallest; p-- {
		x, y := a.Digit(p), b.Digit(p)
		if p < place.Ones && x == 0 && y == 0 {
			continue
		}
		if x == y {
			m.step(lesson.Step{
				Say: line("compare.place", say.PlaceName("place", p)), Ask: line("compare.ask", say.PlaceName("place", p)),
				Answer: line("compare.same", say.Pieces("pieces", say.Answer, x, p)),
				Look:   line("look.place", say.PlaceName("place", p)),
			})
			continue
		}
		m.key(lesson.Step{
			Say: line("compare.place", say.PlaceName("place", p)), Ask: line("compare.ask", say.PlaceName("place", p)),
			Answer: line("compare.differ", say.Pieces("x", say.Answer, x, p), say.Pieces("y", say.Answer, y, p),
				answerText("sentence", sentence.Compare(a, b))),
			Look: line("look.place", say.PlaceName("place", p)),
		})
		break
	}
	relation := sentence.Compare(a, b)
	m.step(lesson.Step{
		Say: line("compare.check"), Ask: line("compare.check.ask"),
		Answer: line("compare.check.answer", answerText("sentence", relation)),
		Write:  []lesson.Write{{Kind: "sentence", Text: relation}},
	})
	m.prove(a, b)
	return m.end(a.String()+" and "+b.String(), strings.Fields(relation)[1])
}

// prove checks which of two numbers is the larger by what it has more.
func (m *maker) prove(a, b place.Number) {
	small, large := a, b
	if a.Cmp(b) > 0 {
		small, large = b, a
	}
	d, _ := large.Sub(small)
	if d.IsZero() {
		return
	}
	m.step(lesson.Step{
		Say: line("compare.prove"), Ask: line("compare.prove.ask"),
		Answer: line("compare.prove.answer", say.Number("d", say.Answer, d), say.Number("small", say.Given, small),
			say.Number("large", say.Given, large)),
		Write: []lesson.Write{m.sentence(small.String()+" + "+d.String(), large.String())},
	})
}

// charts build both numbers, in the same columns and with digit cards where there are such.
func (m *maker) charts(a, b place.Number) []board.Move {
	var moves []board.Move
	for i, n := range []place.Number{a, b} {
		if m.acts.Columns != nil {
			moves = append(moves, on(i, m.acts.Columns(max(a.Top(), b.Top()), min(lowest(a), lowest(b)))))
		}
		if m.acts.Cards != nil {
			moves = append(moves, on(i, m.acts.Cards(nil)))
		}
		moves = append(moves, on(i, m.acts.Build(n.String())))
	}
	return moves
}

// zeros puts zeros on the chart where one number has fewer decimals, so that
// the places of both stand under one another.
func (m *maker) zeros(a, b place.Number) {
	low := min(lowest(a), lowest(b))
	if m.acts.Cards == nil || lowest(a) == lowest(b) {
		return
	}
	short, shown := a, aligned(a, a, b)
	if lowest(b) > lowest(a) {
		short, shown = b, aligned(b, a, b)
	}
	s := lesson.Step{
		Say: line("compare.zeros"), Ask: line("compare.zeros.ask", say.Number("short", say.Given, short)),
		Answer: line("compare.zeros.answer", answerText("shown", shown), say.Number("short", say.Given, short)),
		Look:   line("look.cards"),
		Write: []lesson.Write{{Kind: "sentence", Text: short.String() + " = " + shown}, row(aligned(a, a, b)),
			row(aligned(b, a, b))},
	}
	for i := range 2 {
		s.Moves = append(s.Moves, on(i, m.acts.Cards(&low)))
	}
	m.key(s)
}

// lowest is the smallest place that a number needs, ones or less.
func lowest(n place.Number) place.Place {
	for p := place.Smallest; p < place.Ones; p++ {
		if n.Digit(p) != 0 {
			return p
		}
	}
	return place.Ones
}

// aligned is a number with zeros where the other has more decimals, so that the
// places stand under one another.
func aligned(n, a, b place.Number) string {
	most := 0
	for _, x := range []place.Number{a, b} {
		_, after, _ := strings.Cut(x.String(), ".")
		most = max(most, len(after))
	}
	return place.Written{Number: n, Decimals: most}.String()
}

// compareSums compares two sums, first by what their parts tell.
func compareSums(r Request) (Example, error) {
	var parts [2][2]int
	for i, a := range r.Args {
		one, two, ok := strings.Cut(a, "+")
		if !ok || strings.Contains(two, "+") {
			return Example{}, say.Refuse("compare-sums")
		}
		for k, s := range []string{one, two} {
			n, err := wholeNumber(s, 0, 4999)
			if err != nil {
				return Example{}, err
			}
			parts[i][k] = n
		}
	}
	p, q := parts[0], parts[1]
	sums := [2]int{p[0] + p[1], q[0] + q[1]}
	left, right := sumText(p), sumText(q)
	r.Model = "blocks"
	m := begin(r, "blocks 0 | blocks 0")
	m.step(lesson.Step{
		Say: line("compareSums.start", text("left", left), text("right", right)), Ask: line("compareSums.ask"),
		Answer: reasoning(p, q),
		Moves:  []board.Move{m.acts.Build(left), on(1, m.acts.Build(right))},
	})
	relation := map[int]string{-1: "<", 0: "=", 1: ">"}[place.Int(sums[0]).Cmp(place.Int(sums[1]))]
	m.key(lesson.Step{
		Say: line("compareSums.reckon"), Ask: line("compareSums.reckon.ask"),
		Answer: line("compareSums.answer", answer("a", sums[0]), answer("b", sums[1])),
		Write:  []lesson.Write{{Kind: "sentence", Text: left + " " + relation + " " + right}},
	})
	return m.end(left+" and "+right, relation)
}

// reasoning tells without reckoning, where the parts allow it: what one part is
// more, the other may be less.
func reasoning(p, q [2]int) say.Line {
	up, down := p[0]-q[0], p[1]-q[1]
	values := []say.Value{answer("a", max(up, -up)), answer("b", max(down, -down)), part("p", p[0]), part("q", q[0]),
		part("r", p[1]), part("s", q[1])}
	switch {
	case up == -down:
		return line("compareSums.balance", values...)
	case up >= 0 && down >= 0:
		return line("compareSums.more", values...)
	case up <= 0 && down <= 0:
		return line("compareSums.less", values...)
	}
	return line("compareSums.mixed", values...)
}
