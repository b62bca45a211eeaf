package method

import (
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
	"unitbloom/core/sentence"
)

// compare lines two numbers up by place: the first place that differs decides.
// Two short sentences are compared by thinking, before they are worked out.
var compare = Spec{
	ID: "compare", Title: "Compare", Operation: "number",
	Doc: "Two numbers aligned by place, zeros put where digits are missing; the first place that differs decides. " +
		"Or two sums by thinking, before they are worked out.",
	Args:   "two numbers, or two sums",
	Sample: []string{"408", "480"}, Typed: "408, 480",
	Limits:  "Numbers from 0 to 9,999,999.999; sums of two whole numbers to 9,999.",
	Models:  []string{"discs", "blocks"},
	Options: []Option{checkByInverse},
	make:    makeCompare,
	grow:    growComparison,
	read: func(text string) []string {
		for _, sep := range []string{" and ", ",", "?", "□", "_", "<", ">", "="} {
			if strings.Contains(text, sep) {
				parts := strings.Split(text, sep)
				for i := range parts {
					parts[i] = strings.TrimSpace(parts[i])
				}
				return parts
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
	m.step(lesson.Step{
		Say:   line("compare.two", text("a", w[0].String()), text("b", w[1].String())),
		Moves: m.charts(a, b),
		Write: []lesson.Write{row(w[0].String()), row(w[1].String())},
	})
	if max(a.Top(), b.Top()) > place.Ones || min(lowest(a), lowest(b)) < place.Ones {
		m.key(lesson.Step{Ask: line("compare.first"), Answer: line("compare.first.answer")})
	}
	m.zeros(w)
	decided, decides := false, place.Ones
	for p := max(a.Top(), b.Top()); p >= min(lowestWritten(w[0]), lowestWritten(w[1])) && !decided; p-- {
		x, y := a.Digit(p), b.Digit(p)
		at := say.PlaceName("place", p)
		if x == y {
			both := line("compare.both", at, say.Pieces("pieces", say.Given, x, p))
			if x == 0 {
				both = line("compare.both.none", at)
			}
			m.step(lesson.Step{Say: both, Look: line("look.place", at)})
			continue
		}
		decided, decides = true, p
		big, small, large, less := x, y, w[0].String(), w[1].String()
		if y > x {
			big, small, large, less = y, x, w[1].String(), w[0].String()
		}
		larger, than, has := answerText("large", large), answerText("less", less), say.Pieces("x", say.Part, big, p)
		said := line("compare.larger.answer", larger, has, say.Pieces("y", say.Part, small, p), than)
		if small == 0 {
			said = line("compare.larger.none", larger, has, than)
		}
		m.first(lesson.Step{Say: line("compare.at", at), Ask: line("compare.larger"), Answer: said,
			Look: line("look.place", at)})
		if p > min(lowest(a), lowest(b)) {
			m.why(line("compare.why"), line("compare.why.answer", at))
		}
	}
	relation := sentence.Compare(a, b)
	sign := strings.Fields(relation)[1]
	id := "compare.sign.answer"
	if !decided {
		id = "compare.sign.equal"
	}
	m.key(lesson.Step{
		Ask: line("compare.sign"), Answer: line(id, answerText("sentence", w[0].String()+" "+sign+" "+w[1].String())),
		Write: []lesson.Write{{Kind: "sentence", Text: w[0].String() + " " + sign + " " + w[1].String()}},
	})
	if decided {
		m.turned(w, decides)
	}
	if m.checks {
		m.levelled(a, b)
	}
	e, err := m.end(w[0].String()+" and "+w[1].String(), sign)
	// How the second differs from the first, place by place.
	for p := place.Largest; p >= place.Smallest; p-- {
		e.like += strconv.Itoa(place.Int(a.Digit(p)).Cmp(place.Int(b.Digit(p))))
	}
	e.hard = comparisonHardness(w[0].String(), w[1].String())
	return e, err
}

// comparisonHardness is what makes two numbers harder to compare: how long the longer one is, their zeros,
// and how many places are alike before one decides.
func comparisonHardness(a, b string) hardness {
	h := writtenHardness([]string{a, b}, false)
	shared := a[:sharedFront(a, b)]
	h["harder.alike"] = len(shared) - strings.Count(shared, ".")
	return h
}

// sharedFront is how many signs two written numbers share from the first on, where their whole parts are as long
// as one another.
func sharedFront(a, b string) int {
	whole := func(n string) int {
		before, _, _ := strings.Cut(n, ".")
		return len(before)
	}
	n := 0
	for whole(a) == whole(b) && n < min(len(a), len(b)) && a[n] == b[n] {
		n++
	}
	return n
}

// growComparison draws two numbers anew that may be a digit longer, and share as many places or one more.
func growComparison(args []string, draw func(int) int) []string {
	out := each(grown)(args, draw)
	shared, more := sharedFront(args[0], args[1]), draw(2)
	if shared == 0 && len(args[0]) != len(args[1]) {
		return out
	}
	first, second := out[0], out[1]
	n := min(shared+more, len(first), len(second))
	out[1] = first[:n] + second[n:]
	return out
}

// turned asks for a change of one digit that makes the smaller number the larger; at is the place that decides.
func (m *maker) turned(w [2]place.Written, at place.Place) {
	less, large := w[0], w[1]
	if less.Cmp(large.Number) > 0 {
		less, large = large, less
	}
	digit := large.Digit(at) + 1
	if digit > 9 {
		// No digit is more than 9: one of a larger place is.
		for at++; at <= place.Largest && less.Digit(at) == 9; at++ {
		}
		if at > place.Largest {
			return
		}
		digit = less.Digit(at) + 1
	}
	more, err := at.Value().Times(digit - less.Digit(at))
	if err != nil {
		return
	}
	changed, err := less.Add(more)
	if err != nil {
		return
	}
	m.why(line("compare.win", text("less", less.String())), line("compare.win.answer", say.PlaceName("place", at),
		answerText("changed", place.Written{Number: changed, Decimals: less.Decimals}.String()),
		text("large", large.String()), text("less", less.String())))
}

// levelled checks which of two numbers is the larger: what it has more is put to the
// smaller one.
func (m *maker) levelled(a, b place.Number) {
	small, large, at := a, b, 0
	if a.Cmp(b) > 0 {
		small, large, at = b, a, 1
	}
	d, _ := large.Sub(small)
	if d.IsZero() {
		return
	}
	m.step(lesson.Step{
		Say: line("compare.level", say.Number("d", say.Given, d), say.Number("small", say.Given, small)),
		Ask: line("compare.level.ask"),
		Answer: line("compare.level.answer", say.Number("d", say.Answer, d), say.Number("small", say.Answer, small),
			say.Number("large", say.Answer, large)),
		Moves: []board.Move{on(at, board.Move{Kind: "place", Args: pieces.AmountArgs{Amount: d.String()}}),
			on(at, board.Move{Kind: "fewest"})},
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
func (m *maker) zeros(w [2]place.Written) {
	a, b := w[0].Number, w[1].Number
	low := min(lowest(a), lowest(b))
	if m.acts.Cards == nil || lowestWritten(w[0]) == lowestWritten(w[1]) {
		return
	}
	short, shown := w[0], aligned(a, a, b)
	if lowestWritten(w[1]) > lowestWritten(w[0]) {
		short, shown = w[1], aligned(b, a, b)
	}
	if lowest(a) == lowest(b) {
		// One was written with zeros that the other lacks.
		low = min(lowestWritten(w[0]), lowestWritten(w[1]))
		shown = place.Written{Number: short.Number, Decimals: int(place.Ones - low)}.String()
	}
	var missing []place.Place
	var f lesson.Focus
	for p := lowestWritten(short) - 1; p >= low; p-- {
		missing = append(missing, p)
		for i := range 2 {
			f.Zones = append(f.Zones, lesson.ZoneOf{Model: i, Zone: p.Plural()})
		}
	}
	s := lesson.Step{
		Say: line("compare.missing", text("short", short.String()), text("places", say.Listed(m.placeNames(missing)))),
		Ask: line("compare.zero"), Focus: &f,
		Answer: line("compare.zero.answer", answerText("shown", shown), text("short", short.String())),
		Look:   line("look.cards"),
		Write:  []lesson.Write{{Kind: "sentence", Text: short.String() + " = " + shown}},
	}
	for i := range 2 {
		s.Moves = append(s.Moves, on(i, m.acts.Cards(&low)))
	}
	m.first(s)
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
	relation := map[int]string{-1: "<", 0: "=", 1: ">"}[place.Int(sums[0]).Cmp(place.Int(sums[1]))]
	m.step(lesson.Step{
		Say:   line("compareSums.two", text("left", left), text("right", right)),
		Moves: []board.Move{m.acts.Build(left), on(1, m.acts.Build(right))},
	})
	m.first(lesson.Step{Ask: line("compareSums.larger"), Answer: reasoning(p, q)})
	m.key(lesson.Step{
		Say: line("compareSums.sure"), Ask: line("compareSums.each"),
		Answer: line("compareSums.each.answer", answer("a", sums[0]), answer("b", sums[1])),
		Moves:  []board.Move{{Kind: "fewest"}, on(1, board.Move{Kind: "fewest"})},
		Write:  []lesson.Write{{Kind: "sentence", Text: left + " " + relation + " " + right}},
	})
	switch {
	case relation == "=" && p != q:
		m.why(line("compareSums.why"), line("compareSums.why.answer"))
	case relation != "=":
		less, large := p, q
		if relation == ">" {
			less, large = q, p
		}
		changed := [2]int{large[0] + large[1] - less[1] + 1, less[1]}
		m.why(line("compareSums.win", text("less", sumText(less))), line("compareSums.win.answer",
			answerText("changed", sumText(changed)), text("large", sumText(large)), text("less", sumText(less))))
	}
	e, err := m.end(left+" and "+right, relation)
	e.like = strconv.Itoa(p[0]-q[0]) + " " + strconv.Itoa(p[1]-q[1])
	return e, err
}

// reasoning tells which of two sums is the larger without working them out, by what each
// part has more or less.
func reasoning(p, q [2]int) say.Line {
	up, down := p[0]-q[0], p[1]-q[1]
	size := func(n int) int { return max(n, -n) }
	values := []say.Value{answer("a", size(up)), answer("b", size(down)), answerText("left", sumText(p)),
		answerText("right", sumText(q)), given("p", p[0]), given("q", q[0]), given("r", p[1]), given("s", q[1])}
	switch {
	case up == 0 && down == 0:
		return line("compareSums.alike", values...)
	case p == [2]int{q[1], q[0]}:
		return line("compareSums.turned", values...)
	case up == -down && up > 0:
		return line("compareSums.even.up", values...)
	case up == -down:
		return line("compareSums.even.down", values...)
	case up == 0 && down > 0 || down == 0 && up > 0:
		return line("compareSums.part.left", append(values, answer("n", size(up+down)))...)
	case up == 0 || down == 0:
		return line("compareSums.part.right", append(values, answer("n", size(up+down)))...)
	case up > 0 && down > 0:
		return line("compareSums.both.left", values...)
	case up < 0 && down < 0:
		return line("compareSums.both.right", values...)
	}
	// The one is less by one part and more by the other, which is further.
	win, lose := p, q
	if up+down < 0 {
		win, lose = q, p
	}
	less, more := 0, 1
	if win[0] > lose[0] {
		less, more = 1, 0
	}
	return line("compareSums.step", answerText("win", sumText(win)), given("c", win[less]),
		given("m", lose[less]-win[less]),
		given("d", lose[less]), given("e", win[more]), given("n", win[more]-lose[more]), given("f", lose[more]))
}
