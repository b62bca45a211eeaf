package manual

import (
	"fmt"
	"strings"

	"unitbloom/core/method"
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
	w.WriteString("# Methods\n\nWritten from the registry by `make generate`: what each method takes, and one whole example of it as it is said. What is asked stands in italics; the answer, held back until it is revealed, after a dash.\n")
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
	fmt.Fprintf(w, "\n### %s (`%s`)\n\n%s\n\nTyped: `%s`. Shown with: %s. Fits: %s\n", spec.Title, spec.ID, spec.Doc,
		spec.Typed, strings.Join(spec.Kinds(), ", "), spec.Limits)
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
			fmt.Fprintf(w, "%d. %s", i+1, s.Say)
			if s.Ask != "" {
				fmt.Fprintf(w, " *%s* – %s", s.Ask, s.Answer)
			}
			w.WriteString("\n")
		}
	}
	fmt.Fprintf(w, "\nAnswer: %s.\n", p.Answer)
}
