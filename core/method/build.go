package method

import (
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// build puts a number on a model, the largest place first, counted as it grows.
var build = Spec{
	ID: "build", Title: "Build a number", Operation: "number",
	Doc: "The largest place first, counted aloud, with a digit for every place and a zero where there is none; then " +
		"expanded form, unit form and words.",
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
	switch {
	case n.IsZero():
		m.key(lesson.Step{
			Say: line("build.zero-number"), Ask: line("build.zero-number.ask"), Answer: line("build.zero-number.answer"),
			Write: []lesson.Write{digitCell("sum", place.Ones, 0, board.Select{})},
		})
	case n.Top() > place.Ones && m.pieceOf(n) < n.Top():
		m.buildAlike(w)
	default:
		m.buildPlaces(w)
	}
	if m.acts.Sketch != nil && !n.IsZero() {
		m.step(lesson.Step{
			Say: line("build.sketch"), Ask: line("build.sketch.ask"), Answer: line("build.sketch.marks",
				answerText("marks", m.sketchMarks(n))),
			Moves: []board.Move{m.acts.Sketch()},
		})
	}
	m.key(lesson.Step{
		Say: line("build.check"),
		Ask: line("build.say"), Answer: line("build.say.answer", say.Form("form", say.Answer, n.UnitForm()),
			answerText("words", w.Words(true))),
		Write: []lesson.Write{
			expanded(m, w),
			{Kind: "text", Text: w.Words(true)},
			{Kind: "text", Text: m.r.words().UnitForm(n.UnitForm())},
		},
	})
	m.worth(w)
	return m.end(w.String(), n.String())
}

// expanded writes a number as the sum of what its digits are worth.
func expanded(m *maker, w place.Written) lesson.Write {
	if w.Expanded() == w.Number.String() {
		return lesson.Write{Kind: "text", Text: w.String()}
	}
	return m.sentence(w.Expanded(), w.String())
}

// pieceOf is the place of the largest piece that the model lays for a number: ones where
// all its pieces are alike.
func (m *maker) pieceOf(n place.Number) place.Place {
	laid := m.now
	for _, c := range n.UnitForm() {
		next, err := board.ApplyAll(laid, m.lay(c.Count, c.Place, 0))
		if err != nil {
			return n.Top()
		}
		laid = next
	}
	form := laid.Models[0].InPlay()
	if len(form) == 0 {
		return place.Ones
	}
	return form[0].Place
}

// lowestWritten is the smallest place that a number is written with.
func lowestWritten(w place.Written) place.Place {
	return min(lowest(w.Number), place.Ones-place.Place(w.Decimals))
}

// buildAlike puts pieces down that are all alike, or of which ten stand for one of the largest place.
func (m *maker) buildAlike(w place.Written) {
	n := w.Number
	s := lesson.Step{
		Say: line("build.start.alike", say.Number("n", say.Given, n)), Ask: line("build.alike.ask"),
		Answer: line("build.alike.answer", say.Form("form", say.Answer, n.UnitForm())),
	}
	if tens := n.Count(place.Tens); n.Top() > place.Tens {
		s.Ask = line("build.ask", say.PlaceName("place", place.Tens))
		s.Answer = line("build.alike.tens", say.Pieces("tens", say.Answer, tens, place.Tens),
			say.Form("form", say.Answer, n.UnitForm()))
	}
	for _, c := range n.UnitForm() {
		s.Moves = append(s.Moves, m.lay(c.Count, c.Place, 0)...)
	}
	for p := n.Top(); p >= place.Ones; p-- {
		s.Write = append(s.Write, digitCell("sum", p, n.Digit(p), board.Select{}))
	}
	m.key(s)
}

// buildPlaces puts a number down place by place, and writes a digit for each.
func (m *maker) buildPlaces(w place.Written) {
	n := w.Number
	s := lesson.Step{Say: line("build.start.places", text("n", w.String()))}
	if n.Top() > lowestWritten(w) {
		s.Ask, s.Answer = line("build.first"), line("build.first.answer", say.PlaceName("place", n.Top()))
	}
	m.step(s)
	var so place.Number
	for p := n.Top(); p >= lowestWritten(w); p-- {
		d := n.Digit(p)
		if d == 0 {
			m.buildNone(w, p)
			continue
		}
		so, _ = so.Add(n.DigitValue(p))
		id := "build.place.so"
		if p == n.Top() {
			id = "build.place.first"
		}
		m.key(lesson.Step{
			Say: line("build.place", say.PlaceName("place", p)),
			Ask: line("build.ask", say.PlaceName("place", p)),
			Answer: line(id, say.Pieces("pieces", say.Answer, d, p),
				say.Number("so", say.Answer, so)),
			Look:  line("look.place", say.PlaceName("place", p)),
			Moves: m.lay(d, p, 0),
			Write: []lesson.Write{digitCell("sum", p, d, board.Select{Place: p, State: "any"})},
		})
	}
}

// buildNone writes the zero of a place that has no pieces.
func (m *maker) buildNone(w place.Written, p place.Place) {
	write := []lesson.Write{digitCell("sum", p, 0, board.Select{})}
	if p < lowest(w.Number) {
		// A zero at the end after the point: it was written, and need not be.
		m.step(lesson.Step{Say: line("build.needless", say.PlaceName("place", p)), Write: write})
		return
	}
	m.first(lesson.Step{
		Say: line("build.none.here", say.PlaceName("place", p)), Ask: line("build.none.ask"),
		Answer: line("build.none.answer"), Write: write,
	})
}

// sketchMarks tells what the marks of a sketch stand for: those that there are.
func (m *maker) sketchMarks(n place.Number) string {
	var marks []string
	for p := n.Top(); p >= place.Ones; p-- {
		if n.Digit(p) > 0 {
			marks = append(marks, say.New("sketch."+p.String(), say.PlaceName("place", p)).Phrase(m.r.words()))
		}
	}
	return strings.Join(marks, ", ")
}

// worth asks what a place is worth: why a smaller digit can be worth more, or what a
// zero does.
func (m *maker) worth(w place.Written) {
	n := w.Number
	for p := lowest(n) + 1; p <= n.Top(); p++ {
		x, y := n.Digit(p), n.Digit(p-1)
		if x == 0 || y <= x {
			continue
		}
		m.why(line("build.worth", given("x", x), given("y", y)), line("build.worth.answer", given("x", x), given("y", y),
			say.PlaceName("p", p), say.PlaceName("q", p-1), say.Number("px", say.Answer, n.DigitValue(p)),
			say.Number("qy", say.Answer, n.DigitValue(p-1))))
		return
	}
	digits := n.String()
	first := strings.IndexByte(digits, '0')
	if first < 1 || strings.Contains(digits, ".") {
		return
	}
	// A number with several is asked for all of them: none of them is "the 0".
	id := "build.zero-why"
	if strings.Count(digits, "0") > 1 {
		id = "build.zeros-why"
	}
	m.why(line(id), line(id+".answer", text("d", digits[first-1:first]),
		say.PlaceName("p", place.Place(len(digits)-first)), answerText("without", strings.ReplaceAll(digits, "0", ""))))
}
