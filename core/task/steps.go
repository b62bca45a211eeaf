package task

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/mistake"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// stepped are the methods whose steps show in how much lies there, and as what.
var stepped = []string{"column-add", "column-subtract", "short-multiply", "add-facts", "subtract-facts"}

var steps = Spec{
	Kind: "steps", Title: "Do the last steps of an example",
	Doc: "Do the last steps of a worked example, of which the class saw the rest; each is " +
		"right by what lies there after it, whatever the moves.",
	About: "a problem: 402 − 167", Sample: []string{"402 − 167"},
	Options: []method.Option{
		{Name: "last", Doc: "How many steps are left to do, the last ones.", Choices: []string{"1", "2", "all"}},
		{Name: "on", Doc: "The model; that of the method when left out."},
		{Name: "method", Doc: "The method, where the signs do not tell it: " + strings.Join(stepped, ", ") + "."},
	},
	read: readSteps,
	from: func(sc lesson.Scene) (Task, bool) {
		if sc.Made == nil || !slices.Contains(stepped, sc.Made.Method) {
			return Task{}, false
		}
		return Task{Kind: "steps", About: []string{sc.Made.Problem},
			Options: map[string]string{"method": sc.Made.Method, "on": sc.Made.Model}}, true
	},
}

// result is the blank of what it comes to.
const result = "result"

// stepping is a worked example whose last steps are left to do.
type stepping struct {
	slips  mistake.Problem
	typed  string
	answer string
	scene  lesson.Scene
	// open are the numbers of the steps that are left, counted from 0, after start others.
	open []int
	all  bool
}

func readSteps(t Task) (work, error) {
	text := strings.Join(t.About, " ")
	r, err := method.Typed(t.Options["method"], text)
	if err != nil {
		return nil, err
	}
	none := say.Refuse("task-no-steps", say.Text("problem", say.Given, text),
		say.Text("methods", say.Name, strings.Join(stepped, ", ")))
	if !slices.Contains(stepped, r.Method) {
		return nil, none
	}
	r.Model = t.Options["on"]
	r.Options = map[string]string{"ask": "never"}
	e, err := method.Make(r)
	if err != nil {
		return nil, err
	}
	s := stepping{slips: mistake.Problem{Method: r.Method, Args: numbersIn(r.Args)}, typed: e.Scene.Made.Problem,
		answer: e.Scene.Made.Answer, scene: e.Scene, all: t.Options["last"] == "all"}
	if len(e.Scene.Start.Models) != 1 {
		return nil, say.Refuse("task-one-model")
	}
	was := s.after(-1)
	for i := range e.Scene.Steps {
		now := s.after(i)
		if !sameForm(was, now) {
			s.open = append(s.open, i)
		}
		was = now
	}
	if n, err := strconv.Atoi(t.Options["last"]); err == nil && n < len(s.open) {
		s.open = s.open[len(s.open)-n:]
	}
	if len(s.open) == 0 {
		return nil, none
	}
	return s, nil
}

// after is the board when a step is over; -1 is where the example begins.
func (s stepping) after(step int) board.Board {
	b, _ := s.scene.At(step + 1)
	return b
}

// sameForm reports whether two boards show as much, as as many pieces of each place.
func sameForm(a, b board.Board) bool {
	x, y := a.Models[0], b.Models[0]
	return board.Total(x) == board.Total(y) && x.InPlay().String() == y.InPlay().String()
}

// start is the board as the class left it: the steps before are done.
func (s stepping) start() (board.Board, error) { return s.after(s.open[0] - 1), nil }

func (s stepping) face(w say.Vocabulary) Face {
	typed := say.Text("problem", say.Given, s.typed)
	ask := say.New("task.steps", typed)
	switch {
	case s.all:
		ask = say.New("task.steps.all", typed)
	case len(s.open) > 1:
		ask = say.New("task.steps.several", typed, say.Int("n", say.Given, len(s.open)))
	}
	f := Face{Ask: ask.Text(w), Of: w.Spell(s.typed), Head: say.New("task.steps.head").Text(w),
		Boards: []Picture{{Board: board.Print(s.after(s.open[0] - 1))}}}
	// What the class did stays in sight; what it guessed or was asked does not.
	for _, step := range s.scene.Steps[:s.open[0]] {
		if said := step.Say.Text(w); said != "" && len(step.Moves)+len(step.Write) > 0 {
			f.Lines = append(f.Lines, FaceLine{Said, []FaceCell{{Text: said}}})
		}
	}
	for i := range s.open {
		label := say.New("task.steps.step", say.Int("n", say.Given, i+1))
		f.Blanks = append(f.Blanks, Blank{ID: stepAt(i), Gives: OnBoard, Label: label.Text(w)})
	}
	f.Lines = append(f.Lines, FaceLine{Sentence, []FaceCell{{Text: s.typed + " = "}, {Blank: result}}})
	f.Blanks = append(f.Blanks, Blank{ID: result, Gives: Numeral, Label: say.New("task.steps.result").Text(w)})
	return f
}

func stepAt(i int) string { return "step " + strconv.Itoa(i+1) }

func (s stepping) mark(a Answer) []Part {
	var parts []Part
	for i, step := range s.open {
		at, want := stepAt(i), s.after(step)
		shown, err := board.Parse(a[at])
		here := err == nil && len(shown.Models) == 1 && shown.Models[0].Kind() == want.Models[0].Kind()
		parts = append(parts, judged(a, at, here && board.Total(shown.Models[0]) == board.Total(want.Models[0])))
		if here && parts[len(parts)-1].Right && !sameForm(shown, want) {
			parts = append(parts, Part{At: at, What: "form"})
		}
	}
	w, err := place.Parse(a[result])
	n, errN := place.Parse(s.answer)
	return append(parts, judged(a, result, err == nil && errN == nil && w.Number == n.Number))
}

// laid is a board that shows an amount and nothing else.
func (s stepping) laid(m board.Model) (string, bool) {
	spec, _ := board.SpecOf(m.Kind())
	text, err := building{number: board.Total(m), spec: spec}.notation(m.InPlay().String())
	return text, err == nil
}

func (s stepping) right() []Answer {
	first := Answer{result: s.answer}
	for i, step := range s.open {
		first[stepAt(i)] = board.Print(s.after(step))
	}
	list := []Answer{first}
	// As much of each, laid in one go: the moves are her own.
	again := changed(first, result, " "+s.answer)
	for i, step := range s.open {
		if text, ok := s.laid(s.after(step).Models[0]); ok {
			if b, err := board.Parse(text); err == nil && sameForm(b, s.after(step)) {
				again[stepAt(i)] = text
			}
		}
	}
	return append(list, again, changed(first, result, s.answer+" "))
}

func (s stepping) wrong() []Answer {
	right := s.right()[0]
	last := stepAt(len(s.open) - 1)
	list := []Answer{changed(right, last, ""), changed(right, result, ""),
		changed(right, last, board.Print(s.after(s.open[len(s.open)-1]-1)))}
	if n, err := place.Parse(s.answer); err == nil {
		if more, err := n.Add(place.Int(1)); err == nil {
			list = append(list, changed(right, result, more.String()))
		}
	}
	return list
}

func (s stepping) problem(a Answer) (mistake.Problem, string) { return s.slips, a[result] }
