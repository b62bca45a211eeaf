package method

import (
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// read goes from the pieces to the number: tens counted first, then on by ones.
var read = Spec{
	ID: "read", Title: "Read a number", Operation: "number",
	Doc:    "From the pieces to the numeral: each place counted, what is ten or more of a place told as the next.",
	Args:   "a board in notation",
	Sample: []string{"blocks 1h 4t 6o"}, Typed: "blocks 1h 4t 6o",
	Limits: "Any blocks, discs, rack, counters or cubes.",
	make:   makeRead,
	read:   func(text string) []string { return []string{text} },
}

func makeRead(r Request) (Example, error) {
	notation := strings.Join(r.Args, " ")
	kind, _, _ := strings.Cut(notation, " ")
	r.Model = kind
	b, err := board.Parse(notation)
	if err != nil || len(b.Models) != 1 {
		return Example{}, needs(r)
	}
	m := begin(r, notation)
	total := board.Total(b.Models[0])
	form := b.Models[0].InPlay()
	m.step(lesson.Step{Say: line("read.start"), Ask: line("read.first"), Answer: line("read.first.answer"),
		Look: line("look.all")})
	var so place.Number
	for _, c := range form {
		v, _ := c.Value()
		so, _ = so.Add(v)
		s := lesson.Step{
			Say: line("read.place", say.PlaceName("place", c.Place)),
			Ask: line("build.ask", say.PlaceName("place", c.Place)),
			Answer: line("read.answer", say.Pieces("pieces", say.Answer, c.Count, c.Place),
				say.Number("value", say.Answer, v), say.Number("so", say.Answer, so)),
			Look: line("look.place", say.PlaceName("place", c.Place)),
		}
		if m.spec.Find(m.now.Models[0], board.Select{Place: c.Place}) != nil {
			s.Moves = []board.Move{ringed(c.Place, c.Count)}
		}
		m.key(s)
	}
	if len(form) == 0 {
		m.step(lesson.Step{Say: line("read.none")})
	}
	m.key(lesson.Step{
		Say: line("read.write"), Ask: line("read.write.ask"),
		Answer: line("read.write.answer", say.Form("form", say.Answer, total.UnitForm()), say.Number("n", say.Answer, total)),
		Write:  []lesson.Write{m.sentence(total.Expanded(), total.String()), {Kind: "text", Text: total.Words(true)}},
	})
	return m.end(notation, total.String())
}
