package method

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// maker is a problem while its example is made: the steps so far, and what the
// teacher chose.
type maker struct {
	*builder
	r    Request
	spec board.ModelSpec
	acts board.Acts
	// explains and checks are whether this example of a set does.
	explains, checks bool
	// heads are what the columns of its table say.
	heads []string
}

// begin starts an example on a board in notation.
func begin(r Request, notation string) *maker {
	b, err := board.Parse(notation)
	spec := specOf(r.Model)
	m := &maker{builder: newBuilder(b), r: r, spec: spec, acts: spec.Acts, explains: r.InSet.N <= 1,
		checks: r.Options["check"] != "none" && r.InSet.N == r.InSet.Of}
	m.err = err
	m.asks, m.slow = r.Options["ask"], r.Options["pace"] == "one by one"
	return m
}

// specOf is the spec of a model that is registered.
func specOf(kind string) board.ModelSpec {
	spec, _ := board.SpecOf(kind)
	return spec
}

// actsOf are what can be done with a model.
func actsOf(kind string) board.Acts { return specOf(kind).Acts }

// startWith has a move made before the first step.
func (m *maker) startWith(mv board.Move) {
	if m.err == nil {
		m.now, _, m.err = board.Apply(m.now, mv)
		m.scene.Start = m.now
	}
}

// on is a move made on another model of the board, counted from 0.
func on(model int, mv board.Move) board.Move {
	mv.Model = model
	return mv
}

// end closes the example with its title and bare answer.
func (m *maker) end(problem, answer string) (Example, error) {
	if m.err != nil {
		return Example{}, m.err
	}
	method, _ := Find(m.r.Method)
	if in := m.r.InSet; in.N == in.Of && in.Of > 1 && m.asks != "never" {
		m.yourTurn()
	}
	m.chooseStops(method.Stops(m.r.Options["age"]))
	m.headRows()
	m.scene.Title = problem
	m.scene.Made = &lesson.Made{Method: m.r.Method, Problem: problem, Answer: answer, Model: m.r.Model, Args: m.r.Args,
		Options: m.r.Options}
	return Example{Scene: m.scene, Words: m.r.words(), End: m.now}, nil
}

// sentence is a number sentence with its answer at the side that was chosen.
func (m *maker) sentence(left, answer string) lesson.Write {
	text := left + " = " + answer
	if m.r.Options["answer"] == "first" {
		text = answer + " = " + left
	}
	return lesson.Write{Kind: "sentence", Text: text}
}

// lay puts an amount on the first model beside what is there.
func (m *maker) lay(count int, p place.Place, part int) []board.Move {
	if count == 0 {
		return nil
	}
	return m.spec.Lay(count, p, part)
}

// ringed rings so many pieces of a place.
func ringed(p place.Place, count int) board.Move {
	return board.Move{Kind: "ring", Args: pieces.RingArgs{Pieces: []board.Select{{Place: p, Count: count}}}}
}

// taken takes so many pieces of a place away.
func taken(p place.Place, count int) board.Move {
	return board.Move{Kind: "take", Args: pieces.PiecesArgs{Pieces: []board.Select{{Place: p, Count: count}}}}
}

func unbundled(p place.Place) board.Move {
	return board.Move{Kind: "unbundle", Args: pieces.UnbundleArgs{Place: p}}
}

func stepped(p place.Place, down bool) board.Move {
	return board.Move{Kind: "step", Args: pieces.StepArgs{Place: p, Down: down}}
}

// row is a line of a table.
func row(cells ...string) lesson.Write { return lesson.Write{Kind: "row", Cells: cells} }

// table says what the columns of the rows that an example writes are; it stands over the
// first of them.
func (m *maker) table(heads ...string) { m.heads = heads }

func (m *maker) headRows() {
	for i := range m.scene.Steps {
		for j := range m.scene.Steps[i].Write {
			if w := &m.scene.Steps[i].Write[j]; w.Kind == "row" {
				w.Heads = m.heads
				return
			}
		}
	}
}

// bond is a whole with its parts.
func bond(whole int, parts ...int) lesson.Write {
	w := lesson.Write{Kind: "bond", Whole: strconv.Itoa(whole)}
	for _, p := range parts {
		w.Parts = append(w.Parts, strconv.Itoa(p))
	}
	return w
}

// Values of messages, by role.
func given(name string, n int) say.Value  { return say.Int(name, say.Given, n) }
func part(name string, n int) say.Value   { return say.Int(name, say.Part, n) }
func answer(name string, n int) say.Value { return say.Int(name, say.Answer, n) }
func text(name, s string) say.Value       { return say.Text(name, say.Given, s) }
func answerText(name, s string) say.Value { return say.Text(name, say.Answer, s) }

// noneOr is an answer that counts something, or the one that says there is none.
func noneOr(id string, n int, values ...say.Value) say.Line {
	if n == 0 {
		id += ".none"
	}
	return line(id, values...)
}

// arguments reads whole numbers with the signs that may stand between them, each
// within its range.
func arguments(r Request, limits ...[2]int) ([]int, error) {
	var words []string
	for _, a := range r.Args {
		if !isSign(a) {
			words = append(words, a)
		}
	}
	if len(words) != len(limits) {
		return nil, needs(r)
	}
	out := make([]int, len(words))
	for i, w := range words {
		n, err := wholeNumber(w, limits[i][0], limits[i][1])
		if err != nil {
			return nil, err
		}
		out[i] = n
	}
	return out, nil
}

func isSign(s string) bool {
	switch s {
	case "+", "-", "−", "x", "×", "*", "/", "÷", ":":
		return true
	}
	return false
}

// needs refuses arguments that are not what the method takes.
func needs(r Request) error {
	spec, _ := Find(r.Method)
	return say.Refuse("method-needs", say.Text("method", say.Name, spec.Title), say.Text("args", say.Given, spec.Args),
		say.Text("sample", say.Given, spec.Typed))
}

func wholeNumber(s string, least, most int) (int, error) {
	w, err := place.Parse(s)
	if err != nil {
		return 0, badNumber(err)
	}
	n, whole := w.Whole()
	if !whole {
		return 0, say.Refuse("method-whole", say.Number("n", say.Given, w.Number))
	}
	if n < least || n > most {
		return 0, say.Refuse("method-range", say.Int("n", say.Given, n), say.Int("least", say.Given, least),
			say.Int("most", say.Given, most))
	}
	return n, nil
}

func badNumber(err error) error {
	return board.BadNumber(err)
}

// mirrored is a sign as we write it.
func mirrored(sign string) string {
	switch sign {
	case "-":
		return "−"
	case "x", "*":
		return "×"
	case "/", ":":
		return "÷"
	}
	return sign
}
