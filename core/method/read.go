package method

import (
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
	Doc:    "From the pieces to the numeral: each place counted, what is ten or more of a place told as the next.",
	Args:   "a board in notation",
	Sample: []string{"blocks 1h 4t 6o"}, Typed: "blocks 1h 4t 6o",
	Limits: "Any blocks, discs, rack, counters or cubes.",
	grow:   each(otherCounts),
	make:   makeRead,
	read:   func(text string) []string { return []string{text} },
}

// otherCounts draws how many pieces there are of each place anew, ten or more now and then.
func otherCounts(notation string, draw func(int) int) string {
	return withNumbers(notation, func(int, string) string { return strconv.Itoa(1 + draw(14)) })
}

func makeRead(r Request) (Example, error) {
	notation := strings.Join(r.Args, " ")
	kind, _, _ := strings.Cut(notation, " ")
	r.Model = kind
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
	if many {
		again, ask := "read.many", "read.many.ask"
		if len(form) == 1 {
			again, ask = "read.many.one", "read.many.alike"
		}
		m.first(lesson.Step{
			Say: line(again), Ask: line(ask), Answer: line("read.many.answer",
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
