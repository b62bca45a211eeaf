package method

import (
	"fmt"
	"strconv"
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
	Signs:  "×÷",
	Options: []Option{
		choice("way", "Column by column, or at once.", "column by column", "at once"),
		choice("use", "Where it is used: an amount told in another unit.", "none", "length", "mass", "capacity", "money"),
		checkByInverse,
	},
	grow: growShift,
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
			text("by", r.Args[2]), say.Number("least", say.Given, place.Thousandths.Value()),
			say.Number("most", say.Given, place.Max))
	}
	problem := w.String() + " " + sign + " " + r.Args[2]
	m := begin(r, r.Model+" 0")
	m.startWith(m.acts.Cards(nil))
	m.shiftSteps(w, to, power, problem)
	if err := m.shiftUse(w, to, power); err != nil {
		return Example{}, err
	}
	e, err := m.end(problem, to.String())
	e.hard = hardness{"harder.digit": len(strings.ReplaceAll(w.String(), ".", "")), "harder.power": max(power, -power)}
	return e, err
}

// growShift draws the number anew, with a digit more in front now and then, and goes a place further now
// and then.
func growShift(args []string, draw func(int) int) []string {
	n, by := redrawn(args[0], draw), args[2]
	switch draw(3) {
	case 0:
		n = strconv.Itoa(1+draw(9)) + n
	case 1:
		by += "0"
	}
	return []string{n, args[1], by}
}

func (m *maker) shiftSteps(w place.Written, to place.Number, power int, problem string) {
	n := w.Number
	size := "shift.larger"
	if power < 0 {
		size = "shift.smaller"
	}
	if n.IsZero() {
		size = "shift.same"
	}
	m.step(lesson.Step{Say: line("shift.build", text("n", w.String())), Moves: []board.Move{m.acts.Build(n.String())}})
	m.first(lesson.Step{Ask: line("shift.will", text("problem", problem)), Answer: line(size)})
	if w.Decimals > 0 && w.String() != n.String() {
		m.key(lesson.Step{
			Say: line("shift.needless", text("written", w.String())), Ask: line("shift.needless.which"),
			Answer: line("shift.needless.which.answer", answerText("written", w.String()), say.Number("n", say.Answer, n)),
			Write:  []lesson.Write{{Kind: "sentence", Text: w.String() + " = " + n.String()}},
		})
	}
	if !n.IsZero() {
		m.shiftDigits(n, to, power, problem)
	} else {
		m.step(lesson.Step{Ask: line("shift.now"), Answer: line("shift.now.answer", say.Number("next", say.Answer, to)),
			Write: []lesson.Write{m.sentence(problem, to.String())}})
	}
}

// shiftDigits moves the digits, says why that is not a matter of zeros, and comes back.
func (m *maker) shiftDigits(n, to place.Number, power int, problem string) {
	steps, by := max(power, -power), 1
	if power < 0 {
		by = -1
	}
	if m.r.Options["way"] == "at once" {
		steps, by = 1, power
	}
	m.table("shift", "number")
	now := n
	var back []board.Move
	for i := range steps {
		next, err := now.Shift(by)
		if err != nil {
			m.err = badNumber(err)
			return
		}
		id := "shift.now.answer"
		if holdsZero(now, next) {
			id = "shift.holds"
		}
		s := lesson.Step{
			Say: line(map[bool]string{true: "shift.left", false: "shift.right"}[by > 0]), Ask: line("shift.now"),
			Answer: line(id, say.Number("next", say.Answer, next)),
			Look:   line("look.point"),
			Moves:  []board.Move{m.acts.Shift(by, i == 0)},
			Write:  []lesson.Write{row(fmt.Sprintf("%s %s", mirroredPower(by), powerText(by)), next.String())},
		}
		back = append(back, m.acts.Shift(-by, false))
		if i == steps-1 {
			s.Write = append(s.Write, m.sentence(problem, to.String()))
			m.first(s)
		} else {
			m.step(s)
		}
		now = next
	}
	switch _, whole := n.Whole(); {
	case power < 0:
		m.why(line("shift.why.down"), line("shift.why.down.answer", text("by", powerText(power))))
	case whole:
		m.why(line("shift.why.whole"), line("shift.why.whole.answer", text("by", powerText(power))))
	default:
		wrong := n.String() + powerText(power)[1:]
		m.why(line("shift.why.up", text("wrong", wrong), text("problem", problem)), line("shift.why.up.answer",
			say.Number("n", say.Given, n), text("wrong", wrong)))
	}
	if m.checks {
		m.step(lesson.Step{
			Say: line("shift.back", text("inverse", inverseText(power))), Ask: line("shift.back.ask"),
			Answer: line("shift.back.answer", say.Number("n", say.Answer, n)), Moves: back,
		})
	}
}

// holdsZero reports whether a number has a zero that holds a place, and the one that it
// came from had none.
func holdsZero(was, now place.Number) bool {
	zero := func(n place.Number) bool {
		for p := max(n.Top(), place.Ones); p >= min(lowest(n), place.Ones); p-- {
			if n.Digit(p) == 0 {
				return true
			}
		}
		return false
	}
	return zero(now) && !zero(was)
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
	id := "shift.use.more.is"
	if power < 0 {
		from, into = into, from
		id = "shift.use.fewer.is"
	}
	if w.Number.IsZero() {
		id = "shift.use.same"
	}
	told := w.String() + " " + unitOf(from, w.Number)
	m.step(lesson.Step{
		Say: line("shift.use", text("told", told), text("into", into)),
		Ask: line("shift.use.how", text("large", unitOf(units[0], place.Int(1))), text("small", units[1]),
			text("by", powerText(power)), text("into", into)),
		Answer: line(id, answerText("told", to.String()+" "+unitOf(into, to))),
		Write:  []lesson.Write{{Kind: "text", Text: told + " = " + to.String() + " " + unitOf(into, to)}},
	})
	return nil
}

// unitOf is a unit beside an amount: one euro, two euros.
func unitOf(unit string, n place.Number) string {
	if n == place.Int(1) {
		return strings.TrimSuffix(unit, "s")
	}
	return unit
}

func mirroredPower(by int) string {
	if by < 0 {
		return "÷"
	}
	return "×"
}

func powerText(by int) string { return "1" + "000"[:max(by, -by)] }

func inverseText(power int) string { return mirroredPower(-power) + " " + powerText(power) }
