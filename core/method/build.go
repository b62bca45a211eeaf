package method

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// build puts a number on a model, the largest place first, counted as it grows.
var build = Spec{
	ID: "build", Title: "Build a number", Operation: "number",
	Doc: "The largest place first, counted aloud; then the digits under their places, expanded form, unit form and " +
		"words.",
	Args:   "a number",
	Sample: []string{"146"}, Typed: "146",
	Limits: "Blocks and discs: whole numbers to 9,999; discs also decimals and numbers to 9,999,999; rack, counters " +
		"and cubes to 100.",
	make: makeBuild,
}

func makeBuild(r Request) (Example, error) {
	if len(r.Args) != 1 {
		return Example{}, needs(r)
	}
	w, err := place.Parse(r.Args[0])
	if err != nil {
		return Example{}, badNumber(err)
	}
	n := w.Number
	if err := fitsModel(r.Model, n); err != nil {
		return Example{}, err
	}
	whole, _ := n.Whole()
	m := begin(r, specOf(r.Model).Empty(whole))
	m.key(lesson.Step{
		Say: line("build.start", say.Number("n", say.Given, n)),
		Ask: line("build.predict"), Answer: line("build.predict.answer", say.PlaceName("place", n.Top())),
		Look: line("look.first-digit"),
	})
	if n.IsZero() {
		m.step(lesson.Step{Say: line("build.none")})
	}
	var so place.Number
	for p := n.Top(); p >= place.Smallest; p-- {
		d := n.Digit(p)
		if d == 0 {
			continue
		}
		so, _ = so.Add(n.DigitValue(p))
		m.step(lesson.Step{
			Say: line("build.place", say.PlaceName("place", p)),
			Ask: line("build.ask", say.PlaceName("place", p)),
			Answer: line("build.answer", say.Pieces("pieces", say.Answer, d, p), say.PlaceName("place", p),
				say.Number("so", say.Answer, so)),
			Look:  line("look.place", say.PlaceName("place", p)),
			Moves: m.lay(d, p, 0),
			Write: []lesson.Write{digitCell("sum", p, d, board.Select{Place: p, State: "any"})},
		})
	}
	if m.acts.Sketch != nil && !n.IsZero() {
		m.step(lesson.Step{
			Say: line("build.sketch"), Ask: line("build.sketch.ask"),
			Answer: line("build.sketch."+strconv.Itoa(int(n.Top()-place.Ones)+1),
				say.PlaceName("o", place.Ones), say.PlaceName("t", place.Tens), say.PlaceName("h",
					place.Hundreds), say.PlaceName("k", place.Thousands)),
			Moves: []board.Move{m.acts.Sketch()},
		})
	}
	m.key(lesson.Step{
		Say: line("build.check"),
		Ask: line("build.check.ask"), Answer: line("build.check.answer", say.Form("form", say.Answer, n.UnitForm()),
			answerText("words", w.Words(true))),
		Write: []lesson.Write{
			m.sentence(n.Expanded(), n.String()),
			{Kind: "text", Text: w.Words(true)},
			{Kind: "text", Text: m.r.words().UnitForm(n.UnitForm())},
		},
	})
	return m.end(n.String(), n.String())
}
