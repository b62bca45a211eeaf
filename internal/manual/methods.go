package manual

import (
	"fmt"
	"strings"

	"unitbloom/core/method"
	"unitbloom/core/say"
)

// operations are the headings under which methods stand, in order.
var operations = []struct{ id, title string }{
	{"number", "Numbers"}, {"add", "Addition"}, {"subtract", "Subtraction"}, {"multiply", "Multiplication"}, {"divide",
		"Division"},
}

// Methods is the page about every method, with one whole example of each as a
// teacher would say it.
func Methods() string {
	var w strings.Builder
	w.WriteString("# Methods\n\nWritten from the registry by `make generate`: what each method takes, and one whole " +
		"example of it as it is said, at the usual age. What is asked stands in italics with its kind, which says whether " +
		"the pieces move before it or after; the answer, held back until it is revealed, after a dash.\n")
	writeArc(&w)
	for _, op := range operations {
		fmt.Fprintf(&w, "\n## %s\n", op.title)
		for _, spec := range method.Specs() {
			if spec.Operation == op.id {
				writeMethod(&w, spec)
			}
		}
	}
	return w.String()
}

func writeMethod(w *strings.Builder, spec method.Spec) {
	with := strings.Join(spec.Kinds(), ", ")
	if spec.OnBoard {
		with = "the board that is typed"
	}
	fmt.Fprintf(w, "\n### %s (`%s`)\n\n%s\n\nTyped: `%s`. Shown with: %s. Fits: %s\n", spec.Title, spec.ID, spec.Doc,
		spec.Typed, with, spec.Limits)
	for _, o := range spec.Options {
		choices := "A text"
		if len(o.Choices) > 0 {
			choices = "Choices: " + strings.Join(o.Choices, ", ")
		}
		fmt.Fprintf(w, "\n- `%s`: %s %s.", o.Name, o.Doc, choices)
	}
	if len(spec.Options) > 0 {
		w.WriteString("\n")
	}
	e, err := method.Make(method.Request{Method: spec.ID, Args: spec.Sample})
	if err != nil {
		panic(err)
	}
	p := e.Plain()
	scenes := p.Scenes
	if scenes == nil {
		scenes = []method.Plain{p}
	}
	for _, scene := range scenes {
		fmt.Fprintf(w, "\n**%s**\n\n", scene.Title)
		for i, s := range scene.Steps {
			fmt.Fprintf(w, "%d. %s", i+1, strings.TrimSpace(s.Say))
			if s.Ask != "" {
				fmt.Fprintf(w, " *%s* (%s) – %s", s.Ask, s.Asks, s.Answer)
			}
			w.WriteString("\n")
		}
	}
	fmt.Fprintf(w, "\nAnswer: %s.\n", p.Answer)
}

// parts are those of an example's arc, each with the kinds of question that belong to it.
var parts = []struct {
	title string
	kinds []say.Kind
}{
	{"Meet and size up", []say.Kind{say.Predict}},
	{"Work", []say.Kind{say.Decide, say.Look}},
	{"Say", []say.Kind{say.Say}},
	{"Check", []say.Kind{say.Check}},
	{"Explain", []say.Kind{say.Explain}},
}

// reasons say why a method has nothing in a part of the arc.
var reasons = map[string]string{
	"build 0": "the number is given", "build 3": "the pieces are read again in saying it",
	"read 0": "the pieces are there to be looked at", "read 3": "each place is counted on",
	"count 1": "each step is foretold, and the pieces answer", "count 2": "each number is said as it comes",
	"teens 2": "its sentence is written", "teens 3": "the fast way makes it again",
	"more-less 1": "each change is foretold, and the pieces answer", "more-less 2": "each number is said as it comes",
	"compare 0":   "which is larger is the question itself",
	"shift 2":     "its sentence is written with the last digit moved",
	"add-facts 0": "within twenty there is nothing to size up", "add-facts 2": "its sentence is written",
	"bonds 2": "each pair is written as a sentence", "bonds 3": "the order shows that none lacks",
	"snap 0": "the whole is given", "turn 2": "both sentences are written", "turn 3": "turning it is the check",
	"column-add 3":     "the size that was foretold is looked at again, without a question",
	"unknown 0":        "the sentence is given",
	"subtract-facts 0": "within twenty there is nothing to size up", "subtract-facts 2": "its sentence is written",
	"difference 3":      "its sum is written beside it",
	"column-subtract 3": "the size that was foretold is looked at again, without a question",
	"pattern 2":         "each sentence is written", "pattern 3": "the sentences stand beside one another",
	"unit-fact 0": "the known fact sizes it up", "unit-fact 2": "the number is written",
	"short-multiply 3": "the size that was foretold is looked at again, without a question",
	"group 0":          "the groups are made one by one",
}

// writeArc is the table of the methods by the parts of an example's arc: a question of
// each, or why there is none.
func writeArc(w *strings.Builder) {
	w.WriteString("\n## The arc of each method\n\n| method |")
	for _, p := range parts {
		w.WriteString(" " + p.title + " |")
	}
	w.WriteString("\n|---|" + strings.Repeat("---|", len(parts)) + "\n")
	for _, spec := range method.Specs() {
		fmt.Fprintf(w, "| `%s` |", spec.ID)
		steps := everyStep(spec)
		for i, p := range parts {
			fmt.Fprintf(w, " %s |", cellOf(spec.ID, i, steps, p.kinds))
		}
		w.WriteString("\n")
	}
}

// everyStep are the steps of a method's sample when every one asks; of several ways those
// of one, so that it is checked.
func everyStep(spec method.Spec) []method.PlainStep {
	options := map[string]string{"ask": "every step"}
	switch spec.ID {
	case "add-facts":
		options["way"] = "make ten"
	case "subtract-facts":
		options["way"] = "back through ten"
	}
	e, err := method.Make(method.Request{Method: spec.ID, Args: spec.Sample, Options: options})
	if err != nil {
		panic(err)
	}
	return e.Plain().Steps
}

func cellOf(id string, part int, steps []method.PlainStep, kinds []say.Kind) string {
	for _, kind := range kinds {
		for _, s := range steps {
			if s.Asks == kind {
				return s.Ask
			}
		}
	}
	reason := reasons[fmt.Sprintf("%s %d", id, part)]
	if reason == "" {
		panic("manual: " + id + " has nothing in " + parts[part].title + ", and no reason")
	}
	return "– " + reason
}
