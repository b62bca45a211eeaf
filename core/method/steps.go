package method

import (
	"fmt"
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/model/discs"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

func amountOf(n int) pieces.AmountArgs { return pieces.AmountArgs{Amount: strconv.Itoa(n)} }

// moreLess changes a number by powers of ten, as a chain or as a fan.
var moreLess = Spec{
	ID: "more-less", Title: "More and less", Operation: "number",
	Doc:    "A start and changes by 1, 10, 100, 1,000 or a tenth or hundredth, one after another or each from the same start; several starts make the rows of a table; the digits that change are seen.",
	Args:   "a start or several, and changes",
	Sample: []string{"296", "+10", "+10", "-100"}, Typed: "296 +10 +10 -100",
	Limits: "Changes by 0.01, 0.1, 1, 10, 100 or 1,000; discs to 9,999,999.999, blocks whole numbers to 9,999.",
	Models: []string{"discs", "blocks"},
	Options: []Option{
		{"shape", "One change after another, or each from the same start.", []string{"chain", "fan"}},
	},
	make: makeMoreLess,
	read: func(text string) []string {
		text = strings.NewReplacer("−", "-", "–", "-", "- ", "-", "+ ", "+", ",", " ").Replace(text)
		return strings.Fields(text)
	},
}

type change struct {
	by   place.Number
	at   place.Place
	down bool
}

func (c change) String() string {
	if c.down {
		return "−" + c.by.String()
	}
	return "+" + c.by.String()
}

func makeMoreLess(r Request) (Example, error) {
	var starts []place.Number
	args := r.Args
	for len(args) > 0 && strings.Trim(args[0][:min(1, len(args[0]))], "+-") != "" {
		w, err := place.Parse(args[0])
		if err != nil {
			return Example{}, badNumber(err)
		}
		if err := fitsModel(r.Model, w.Number); err != nil {
			return Example{}, err
		}
		starts, args = append(starts, w.Number), args[1:]
	}
	if len(starts) == 0 || len(starts) > 10 || len(args) == 0 || len(args) > 20 {
		return Example{}, needs(r)
	}
	changes := make([]change, len(args))
	for i, a := range args {
		c, err := readChange(a)
		if err != nil {
			return Example{}, err
		}
		changes[i] = c
	}
	m := begin(r, r.Model+" 0")
	var last place.Number
	var names []string
	for i, start := range starts {
		var err error
		if len(starts) > 1 {
			last, err = m.changesOfRow(start, changes, i == 0)
		} else {
			last, err = m.changesOf(start, changes)
		}
		if err != nil {
			return Example{}, err
		}
		names = append(names, start.String())
	}
	title := strings.Join(names, ", ")
	if len(names) > 1 {
		title += ":"
	}
	return m.end(title+" "+strings.Join(spaced(args), " "), last.String())
}

// startAt builds a start of changes.
func (m *maker) startAt(start place.Number, first bool, write ...lesson.Write) {
	s := lesson.Step{
		Say: line("moreLess.start", say.Number("n", say.Given, start)), Ask: line("moreLess.predict"),
		Answer: line("moreLess.predict.answer"),
		Moves:  []board.Move{{Kind: "build", Args: pieces.AmountArgs{Amount: start.String()}}},
		Write:  write,
	}
	if !first {
		s.Ask, s.Answer = say.Line{}, say.Line{}
	}
	m.step(s)
}

// changesOf makes the changes of one start, as a chain or as a fan.
func (m *maker) changesOf(start place.Number, changes []change) (place.Number, error) {
	fan := m.r.Options["shape"] == "fan"
	m.startAt(start, true, row("start", start.String()))
	now := start
	for i, c := range changes {
		from := now
		if fan {
			from = start
		}
		next, err := m.changed(c, from)
		if err != nil {
			return now, err
		}
		m.change(c, from, next, fan && i > 0, row(c.String(), next.String()))
		now = next
	}
	if !fan && len(changes) > 1 {
		m.changesInOne(start, now)
	}
	return now, nil
}

// changesInOne checks a chain of changes by what they come to together.
func (m *maker) changesInOne(start, end place.Number) {
	s := lesson.Step{Say: line("moreLess.check"), Ask: line("moreLess.check.ask", say.Number("start", say.Given, start))}
	less, more, id := start, end, "moreLess.check.more"
	switch end.Cmp(start) {
	case 0:
		s.Answer = line("moreLess.check.same", say.Number("start", say.Given, start))
		m.step(s)
		return
	case -1:
		less, more, id = end, start, "moreLess.check.less"
	}
	net, _ := more.Sub(less)
	s.Answer = line(id, say.Number("net", say.Answer, net), say.Number("start", say.Given, start), say.Number("end", say.Answer, end))
	s.Write = []lesson.Write{m.sentence(less.String()+" + "+net.String(), more.String())}
	m.step(s)
}

// changesOfRow makes every change of one of several starts: a row of a table.
func (m *maker) changesOfRow(start place.Number, changes []change, first bool) (place.Number, error) {
	var head []lesson.Write
	if first {
		cells := []string{"start"}
		for _, c := range changes {
			cells = append(cells, c.String())
		}
		head = []lesson.Write{row(cells...)}
	}
	m.startAt(start, first, head...)
	last := start
	cells := []string{start.String()}
	for i, c := range changes {
		next, err := m.changed(c, start)
		if err != nil {
			return last, err
		}
		cells = append(cells, next.String())
		var write []lesson.Write
		if i == len(changes)-1 {
			write = []lesson.Write{row(cells...)}
		}
		m.change(c, start, next, i > 0, write...)
		last = next
	}
	return last, nil
}

// changed is the number after a change, if the model holds it.
func (m *maker) changed(c change, from place.Number) (place.Number, error) {
	next, err := c.apply(from)
	if err != nil || fitsModel(m.r.Model, next) != nil {
		return next, say.Refuse("more-less-range", say.Number("n", say.Given, from), text("change", c.String()))
	}
	return next, nil
}

func spaced(args []string) []string {
	out := make([]string, len(args))
	for i, a := range args {
		out[i] = mirrored(a[:1]) + " " + a[1:]
	}
	return out
}

// change is one step: 10 more than 296 is 306.
func (m *maker) change(c change, from, next place.Number, again bool, write ...lesson.Write) {
	var moves []board.Move
	if again {
		moves = append(moves, board.Move{Kind: "build", Args: pieces.AmountArgs{Amount: from.String()}})
	}
	id, ask, said := "moreLess.more", "moreLess.more.ask", "moreLess.answer"
	if c.down {
		id, ask = "moreLess.less", "moreLess.less.ask"
	}
	values := []say.Value{say.Number("by", say.Given, c.by), say.Number("from", say.Given, from)}
	tens := crossed(m.r.words(), from, next, c.at)
	if tens != "" {
		said = "moreLess.crossed"
	}
	m.key(lesson.Step{
		Say: line(id, say.PlaceName("place", c.at)), Ask: line(ask, values...),
		Answer: line(said, say.Number("next", say.Answer, next), answerText("changed", changedPlaces(m.r.words(), from, next)), answerText("crossed", tens)),
		Look:   line("look.place", say.PlaceName("place", c.at)),
		Moves:  append(append(m.countNew(), moves...), stepped(c.at, c.down)),
		Write:  write,
	})
}

// countNew takes the mark off pieces that are new: they were said.
func (m *maker) countNew() []board.Move {
	if m.err == nil && slices.ContainsFunc(board.LayOut(m.now.Models[0]).Pieces, func(s board.Sprite) bool { return s.Marks&board.MarkNew != 0 }) {
		return []board.Move{{Kind: "counted"}}
	}
	return nil
}

// crossed tells which tens were made, or opened, between a number and the next,
// from the place that was counted in.
func crossed(w say.Words, from, to place.Number, at place.Place) string {
	id := "cross.made"
	if to.Cmp(from) < 0 {
		id, from, to = "cross.opened", to, from
	}
	var out []string
	for p := at; p < place.Largest && to.Digit(p) < from.Digit(p); p++ {
		out = append(out, say.New(id, say.PlaceName("place", p), say.PlaceName("next", p+1)).Text(w))
	}
	return strings.Join(out, " ")
}

// changedPlaces names the places whose digits differ.
func changedPlaces(w say.Words, a, b place.Number) string {
	var names []string
	for p := place.Largest; p >= place.Smallest; p-- {
		if a.Digit(p) != b.Digit(p) {
			names = append(names, w.PlaceName(p, 2))
		}
	}
	return strings.Join(names, ", ")
}

func readChange(s string) (change, error) {
	var c change
	s = strings.ReplaceAll(s, "−", "-")
	switch {
	case strings.HasPrefix(s, "-"):
		c.down = true
	case !strings.HasPrefix(s, "+"):
		return c, say.Refuse("more-less-change", text("text", s))
	}
	w, err := place.Parse(strings.TrimSpace(s[1:]))
	if err != nil {
		return c, badNumber(err)
	}
	for p := place.Hundredths; p <= place.Thousands; p++ {
		if p.Value() == w.Number {
			c.by, c.at = w.Number, p
			return c, nil
		}
	}
	return c, say.Refuse("more-less-change", text("text", s))
}

func (c change) apply(n place.Number) (place.Number, error) {
	if c.down {
		return n.Sub(c.by)
	}
	return n.Add(c.by)
}

// shift multiplies or divides by 10, 100 or 1,000: digits move, the point stays.
var shift = Spec{
	ID: "shift", Title: "Ten times as much", Operation: "multiply",
	Doc:    "A number × or ÷ 10, 100 or 1,000: larger or smaller is predicted, the digits move column by column, the point stays; zeros that hold a place and zeros that need not be written.",
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
		return Example{}, say.Refuse("shift-range", say.Number("n", say.Given, w.Number), text("sign", sign), text("by", r.Args[2]))
	}
	problem := w.String() + " " + sign + " " + r.Args[2]
	m := begin(r, "discs 0")
	if m.err == nil {
		m.now, m.err = board.ApplyAll(m.now, []board.Move{{Kind: "cards", Args: shownArgs()}})
		m.scene.Start = m.now
	}
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
		Say: line("shift.start", say.Number("n", say.Given, n)), Ask: line("shift.predict", text("problem", problem)), Answer: line(bigger),
		Moves: []board.Move{{Kind: "build", Args: pieces.AmountArgs{Amount: n.String()}}},
	})
	if w.Decimals > 0 && w.String() != n.String() {
		m.step(lesson.Step{
			Say: line("shift.needless", text("written", w.String())), Ask: line("shift.needless.ask"), Answer: line("shift.needless.answer", answerText("written", w.String()), say.Number("n", say.Answer, n)),
			Write: []lesson.Write{{Kind: "sentence", Text: w.String() + " = " + n.String()}},
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
			Moves:  []board.Move{{Kind: "shift", Args: shiftArgs(by, i == 0)}},
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
		Say: line("shift.use", text("told", told), text("into", into)), Ask: line("shift.use.ask", text("large", units[0]), text("small", units[1]), text("by", powerText(power)), text("into", into), text("told", told)),
		Answer: line(map[bool]string{true: "shift.use.more", false: "shift.use.fewer"}[power > 0], answerText("told", to.String()+" "+into), text("into", into)),
		Write:  []lesson.Write{{Kind: "text", Text: told + " = " + to.String() + " " + into}},
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

func shownArgs() discs.CardsArgs { return discs.CardsArgs{Shown: true} }

func shiftArgs(by int, keep bool) discs.ShiftArgs { return discs.ShiftArgs{By: by, Keep: keep} }
