package method

import (
	"slices"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// moreLess changes a number by powers of ten, as a chain or as a fan.
var moreLess = Spec{
	ID: "more-less", Title: "More and less", Operation: "number",
	Doc: "A start and changes by 1, 10, 100, 1,000 or a tenth or hundredth, one after another or each from the same " +
		"start; several starts make the rows of a table; the digits that change are seen.",
	Args:   "a start or several, and changes",
	Sample: []string{"296", "+10", "+10", "-100"}, Typed: "296 +10 +10 -100",
	Limits: "Changes by 0.01, 0.1, 1, 10, 100 or 1,000; discs to 9,999,999.999, blocks whole numbers to 9,999.",
	Models: []string{"discs", "blocks"},
	Options: []Option{
		choice("shape", "One change after another, or each from the same start.", "chain", "fan"),
		checkByInverse,
	},
	grow: each(grownStart),
	make: makeMoreLess,
	read: func(text string) []string {
		text = strings.NewReplacer("−", "-", "–", "-", "- ", "-", "+ ", "+", ",", " ").Replace(text)
		return strings.Fields(text)
	},
}

// grownStart draws a start anew; the changes are what it is about.
func grownStart(arg string, draw func(int) int) string {
	if strings.ContainsAny(arg, "+-−") {
		return arg
	}
	return grown(arg, draw)
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
	problem := names[0] + " " + strings.Join(spaced(args), " ")
	if len(names) > 1 || m.r.Options["shape"] == "fan" {
		// Each change from the start: not one sum.
		problem = strings.Join(names, ", ") + ": " + strings.Join(spaced(args), ", ")
	}
	e, err := m.end(problem, last.String())
	e.hard = hardness{"harder.digit": 0, "harder.crossing": 0}
	for i, start := range starts {
		e.hard["harder.digit"] = max(e.hard["harder.digit"], len(names[i]))
		for _, c := range changes {
			next, err := c.apply(start)
			if err != nil {
				break // it was refused
			}
			e.hard["harder.crossing"] += max(0, len(changedPlaces(start, next))-1)
			if m.r.Options["shape"] != "fan" && len(starts) == 1 {
				start = next
			}
		}
	}
	return e, err
}

// startAt builds a start of changes.
func (m *maker) startAt(start place.Number, write ...lesson.Write) {
	m.step(lesson.Step{
		Say:   line("moreLess.start", say.Number("n", say.Given, start)),
		Moves: []board.Move{m.acts.Build(start.String())},
		Write: write,
	})
}

// changesOf makes the changes of one start, as a chain or as a fan, and gives what the
// last comes to.
func (m *maker) changesOf(start place.Number, changes []change) (place.Number, error) {
	fan := m.r.Options["shape"] == "fan"
	m.table("change", "number")
	m.startAt(start, row("start", start.String()))
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
	if !fan && m.checks {
		m.undoChanges(start, now, changes)
	}
	return now, nil
}

// undoChanges checks a chain of changes by undoing them, the last one first.
func (m *maker) undoChanges(start, end place.Number, changes []change) {
	s := lesson.Step{
		Say: line("moreLess.undo"), Ask: line("moreLess.undo.ask"),
		Answer: line("moreLess.undo.answer", say.Number("start", say.Answer, start)),
		Moves:  m.countNew(),
	}
	for _, c := range slices.Backward(changes) {
		s.Moves = append(s.Moves, stepped(c.at, !c.down))
	}
	less, more := start, end
	if end.Cmp(start) < 0 {
		less, more = end, start
	}
	if net, err := more.Sub(less); err == nil && !net.IsZero() {
		s.Write = []lesson.Write{m.sentence(less.String()+" + "+net.String(), more.String())}
	}
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
	m.startAt(start, head...)
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
	id, ask := "moreLess.more", "moreLess.more.is"
	if c.down {
		id, ask = "moreLess.less", "moreLess.less.is"
	}
	tens := crossed(m.r.words(), from, next)
	s := lesson.Step{
		Say: line(id, say.PlaceName("place", c.at)), Ask: line(ask, say.Number("by", say.Given, c.by),
			say.Number("from", say.Given, from)),
		Answer: line("moreLess.next", say.Number("next", say.Answer, next)),
		Look:   line("look.place", say.PlaceName("place", c.at)),
		Moves:  append(append(m.countNew(), moves...), stepped(c.at, c.down)),
		Write:  write,
	}
	if tens == "" {
		m.key(s)
		return
	}
	s.Answer = line("moreLess.next.crossed", say.Number("next", say.Answer, next), answerText("crossed", tens))
	m.first(s)
	if c.down {
		top := from.Top()
		for from.Digit(top) == next.Digit(top) {
			top--
		}
		m.why(line("moreLess.why", say.PlaceName("next", top)), line("moreLess.why.down", say.PlaceName("place", c.at),
			say.PlaceName("next", top)))
	} else {
		m.why(line("moreLess.why", say.PlaceName("next", c.at+1)), line("moreLess.why.up", say.PlaceName("place", c.at),
			say.PlaceName("next", c.at+1), given("left", 9)))
	}
	m.explains = false // once is enough
}

// countNew takes the mark off pieces that are new: they were said.
func (m *maker) countNew() []board.Move {
	if m.err == nil && slices.ContainsFunc(board.LayOut(m.now.Models[0]).Pieces,
		func(s board.Sprite) bool { return s.Marks&board.MarkNew != 0 }) {
		return []board.Move{{Kind: "counted"}}
	}
	return nil
}

// crossed tells which tens were made, or opened, between a number and another: each place once, in the
// order in which it happens when the difference is laid or taken piece by piece, the smallest first.
func crossed(w say.Vocabulary, from, to place.Number) string {
	id, less, more := "cross.made", from, to
	down := to.Cmp(from) < 0
	if down {
		id, less, more = "cross.opened", to, from
	}
	by, _ := more.Sub(less)
	digits := map[place.Place]int{}
	for p := place.Smallest; p <= place.Largest; p++ {
		digits[p] = from.Digit(p)
	}
	var out []string
	told := map[place.Place]bool{}
	cross := func(p place.Place) {
		if !told[p] {
			told[p] = true
			out = append(out, say.New(id, say.PlaceName("place", p), say.PlaceName("next", p+1)).Text(w))
		}
	}
	for p := place.Smallest; p < place.Largest; p++ {
		for range by.Digit(p) {
			if !down {
				digits[p]++
				for q := p; q < place.Largest && digits[q] == 10; q++ {
					digits[q], digits[q+1] = 0, digits[q+1]+1
					cross(q)
				}
				continue
			}
			q := p
			for q < place.Largest && digits[q] == 0 {
				q++
			}
			for ; q > p; q-- {
				digits[q], digits[q-1] = digits[q]-1, digits[q-1]+10
				cross(q - 1)
			}
			digits[p]--
		}
	}
	return strings.Join(out, " ")
}

// changedPlaces are the places whose digits differ, the largest first.
func changedPlaces(a, b place.Number) []place.Place {
	var changed []place.Place
	for p := place.Largest; p >= place.Smallest; p-- {
		if a.Digit(p) != b.Digit(p) {
			changed = append(changed, p)
		}
	}
	return changed
}

// placeNames are the names of places, in the class's words.
func (m *maker) placeNames(places []place.Place) []string {
	names := make([]string, len(places))
	for i, p := range places {
		names[i] = m.r.words().PlaceName(p, 2)
	}
	return names
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
