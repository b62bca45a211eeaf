package method

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// read goes from the pieces to the number: the largest counted first, then on.
var read = Spec{
	ID: "read", Title: "Read a number", Operation: "number",
	Doc:    "From the pieces to the numeral: each place counted, what is too many for a digit bundled into the next.",
	Args:   "a board in notation",
	Sample: []string{"blocks 1h 4t 6o"}, Typed: "blocks 1h 4t 6o",
	Limits: "Any blocks, discs, rack, counters or cubes.", OnBoard: true,
	grow: each(otherCounts),
	make: makeRead,
	read: func(text string) []string { return []string{text} },
}

// otherCounts draws how many pieces there are of each place anew, ten or more now and then.
func otherCounts(notation string, draw func(int) int) string {
	return withNumbers(notation, func(int, string) string { return strconv.Itoa(1 + draw(14)) })
}

// bundles reports whether ten pieces of a place can become one of the next.
func (m *maker) bundles() bool {
	return slices.ContainsFunc(m.spec.Moves, func(s board.MoveSpec) bool { return s.Kind == "bundle" })
}

// bundleFull bundles what is too many for a digit, from the smallest place up, and writes both forms.
func (m *maker) bundleFull(form place.UnitForm) {
	carried := 0
	var steps []lesson.Step
	for p := form[len(form)-1].Place; p <= form[0].Place || carried > 0; p++ {
		count := form.Of(p) + carried
		if carried = count / 10; carried == 0 {
			continue
		}
		s := regroup(p, count, nil)
		if len(steps) == 0 {
			s.Say = line("read.full", say.Pieces("all", say.Given, count, p))
		}
		s.Write = nil
		steps = append(steps, s)
	}
	total, _ := form.Total()
	words := m.r.words()
	steps[len(steps)-1].Write = []lesson.Write{
		{Kind: "text", Text: words.UnitForm(form)}, {Kind: "text", Text: "= " + words.UnitForm(total.UnitForm())},
	}
	for i, s := range steps {
		if i == 0 {
			m.first(s)
		} else {
			m.step(s)
		}
	}
}

func makeRead(r Request) (Example, error) {
	notation := strings.Join(r.Args, " ")
	kind, _, _ := strings.Cut(notation, " ")
	if _, ok := board.SpecOf(kind); !ok {
		return Example{}, needs(r)
	}
	b, err := board.Parse(notation)
	if err != nil {
		return Example{}, err
	}
	if len(b.Models) != 1 {
		return Example{}, needs(r)
	}
	if r.Model != "" && r.Model != kind {
		return Example{}, say.Refuse("method-on-board", say.Text("board", say.Given, notation),
			say.Text("model", say.Given, r.Model))
	}
	r.Model = kind
	m := begin(r, notation)
	total := board.Total(b.Models[0])
	form := b.Models[0].InPlay()
	switch len(form) {
	case 0:
		m.step(lesson.Step{Say: line("read.nothing")})
	case 1:
		m.step(lesson.Step{Say: line("read.start")})
	default:
		m.step(lesson.Step{Say: line("read.start"), Ask: line("read.first"), Answer: line("read.first.answer"),
			Look: line("look.all")})
	}
	var so place.Number
	many := false
	for i, c := range form {
		v, _ := c.Value()
		so, _ = so.Add(v)
		many = many || c.Count >= 10
		id := "read.so"
		if i == 0 {
			id = "read.worth"
		}
		s := lesson.Step{
			Say: line("read.place", say.PlaceName("place", c.Place)),
			Ask: line("build.ask", say.PlaceName("place", c.Place)),
			Answer: line(id, say.Pieces("pieces", say.Answer, c.Count, c.Place),
				say.Number("value", say.Answer, v), say.Number("so", say.Answer, so)),
			Look: line("look.place", say.PlaceName("place", c.Place)),
		}
		if c.Place == place.Ones && i == 0 {
			s.Answer = line("read.ones", say.Pieces("pieces", say.Answer, c.Count, c.Place))
		}
		if m.spec.Find(m.now.Models[0], board.Select{Place: c.Place}) != nil {
			s.Moves = []board.Move{ringed(c.Place, c.Count)}
		}
		m.key(s)
	}
	switch {
	case many && m.bundles():
		m.bundleFull(form)
	case many:
		m.first(lesson.Step{
			Say: line("read.many.one"), Ask: line("read.many.make"), Answer: line("read.many.answer",
				say.Form("form", say.Given, form), say.Form("fewest", say.Answer, total.UnitForm())),
		})
	}
	m.key(lesson.Step{
		Say: line("read.write"), Ask: line("read.number"),
		Answer: line("read.number.answer", say.Number("n", say.Answer, total), answerText("words", total.Words(true))),
		Write:  []lesson.Write{expanded(m, place.Written{Number: total}), {Kind: "text", Text: total.Words(true)}},
	})
	if len(form) > 1 {
		m.why(line("read.why", say.PlaceName("place", form[len(form)-1].Place), say.Number("n", say.Given, total)),
			line("read.why.answer"))
	}
	e, err := m.end(notation, total.String())
	e.Scene.Title = "A number in pieces" // its notation would tell it
	e.hard = hardness{"harder.many": 0}
	for _, c := range form {
		e.hard["harder.many"] += min(1, c.Count/10)
		e.like += c.Place.String() + strconv.Itoa(c.Count/10)
	}
	return e, err
}
