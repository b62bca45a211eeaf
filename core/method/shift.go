package method

import (
	"fmt"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// shift multiplies or divides by 10, 100 or 1,000: digits move, the point stays.
var shift = Spec{
	ID: "shift", Title: "Ten times as much", Operation: "multiply",
	Doc: "A number × or ÷ 10, 100 or 1,000: larger or smaller is predicted, the digits move column by column, the " +
		"point stays; zeros that hold a place and zeros that need not be written.",
	Args:   "a number, × or ÷, and 10, 100 or 1,000",
	Sample: []string{"3.05", "x", "10"}, Typed: "3.05 × 10",
	Limits: "0 to 9,999,999.999 before and after.",
	Models: []string{"discs"},
	Options: []Option{
		{"way", "Column by column, or at once.", []string{"column by column", "at once"}},
		{"use", "Where it is used: an amount told in another unit.", []string{"length", "mass", "capacity", "money", "none"}},
	},
	make: makeShift,
}

func makeShift(r Request) (Example, error) {
	if len(r.Args) != 3 {
		return Example{}, needs(r)
	}
	w, err := place.Parse(r.Args[0])
	if err != nil {
		return Example{}, badNumber(err)
	}
	sign := mirrored(r.Args[1])
	power := map[string]int{"10": 1, "100": 2, "1000": 3}[strings.NewReplacer(",", "", " ", "").Replace(r.Args[2])]
	if power == 0 || sign != "×" && sign != "÷" {
		return Example{}, needs(r)
	}
	if sign == "÷" {
		power = -power
	}
	to, err := w.Number.Shift(power)
	if err != nil {
		return Example{}, say.Refuse("shift-range", say.Number("n", say.Given, w.Number), text("sign", sign),
			text("by", r.Args[2]))
	}
	problem := w.String() + " " + sign + " " + r.Args[2]
	m := begin(r, r.Model+" 0")
	m.startWith(m.acts.Cards(nil))
	m.shiftSteps(w, to, power, problem)
	if err := m.shiftUse(w, to, power); err != nil {
		return Example{}, err
	}
	return m.end(problem, to.String())
}

func (m *maker) shiftSteps(w place.Written, to place.Number, power int, problem string) {
	n := w.Number
	bigger := "shift.larger"
	if power < 0 {
		bigger = "shift.smaller"
	}
	if n.IsZero() {
		bigger = "shift.zero"
	}
	m.key(lesson.Step{
		Say: line("shift.start", say.Number("n", say.Given, n)), Ask: line("shift.predict", text("problem", problem)),
		Answer: line(bigger),
		Moves:  []board.Move{m.acts.Build(n.String())},
	})
	if w.Decimals > 0 && w.String() != n.String() {
		m.step(lesson.Step{
			Say: line("shift.needless", text("written", w.String())), Ask: line("shift.needless.ask"),
			Answer: line("shift.needless.answer", answerText("written", w.String()), say.Number("n", say.Answer, n)),
			Write:  []lesson.Write{{Kind: "sentence", Text: w.String() + " = " + n.String()}},
		})
	}
	steps, by := max(power, -power), 1
	if power < 0 {
		by = -1
	}
	if m.r.Options["way"] == "at once" {
		steps, by = 1, power
	}
	now := n
	for i := range steps {
		next, err := now.Shift(by)
		if err != nil {
			m.err = badNumber(err)
			return
		}
		s := lesson.Step{
			Say: line(map[bool]string{true: "shift.left", false: "shift.right"}[by > 0]), Ask: line("shift.ask"),
			Answer: line("shift.answer", say.Number("next", say.Answer, next)),
			Look:   line("look.point"),
			Moves:  []board.Move{m.acts.Shift(by, i == 0)},
			Write:  []lesson.Write{row(fmt.Sprintf("%s %s", mirroredPower(by), powerText(by)), next.String())},
		}
		if n.IsZero() {
			s.Moves = nil
		}
		m.step(s)
		now = next
	}
	m.key(lesson.Step{
		Say: line("shift.check"), Ask: line("shift.check.ask", text("inverse", inverseText(power))),
		Answer: line("shift.check.answer", say.Number("n", say.Answer, n)),
		Write:  []lesson.Write{m.sentence(problem, to.String())},
	})
}

// unitsApart are pairs of units of which the larger is 10, 100 or 1,000 of the
// smaller: larger, smaller.
var unitsApart = map[string]map[int][2]string{
	"length":   {1: {"cm", "mm"}, 2: {"m", "cm"}, 3: {"km", "m"}},
	"mass":     {3: {"kg", "g"}},
	"capacity": {1: {"cl", "ml"}, 2: {"l", "cl"}, 3: {"l", "ml"}},
	"money":    {2: {"euros", "cents"}},
}

// shiftUse tells an amount in another unit: from the larger to the smaller there
// are more of them.
func (m *maker) shiftUse(w place.Written, to place.Number, power int) error {
	use := m.r.Options["use"]
	if use == "none" {
		return nil
	}
	units, ok := unitsApart[use][max(power, -power)]
	if !ok {
		return say.Refuse("shift-use", text("use", use), text("by", powerText(power)))
	}
	from, into := units[0], units[1]
	if power < 0 {
		from, into = into, from
	}
	told := w.Number.String() + " " + from
	m.step(lesson.Step{
		Say: line("shift.use", text("told", told), text("into", into)),
		Ask: line("shift.use.ask", text("large", units[0]), text("small", units[1]), text("by", powerText(power)),
			text("into", into), text("told", told)),
		Answer: line(map[bool]string{true: "shift.use.more", false: "shift.use.fewer"}[power > 0],
			answerText("told", to.String()+" "+into), text("into", into)),
		Write: []lesson.Write{{Kind: "text", Text: told + " = " + to.String() + " " + into}},
	})
	return nil
}

func mirroredPower(by int) string {
	if by < 0 {
		return "÷"
	}
	return "×"
}

func powerText(by int) string { return "1" + "000"[:max(by, -by)] }

func inverseText(power int) string { return mirroredPower(-power) + " " + powerText(power) }
