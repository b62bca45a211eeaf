package manual

import (
	"fmt"
	"slices"
	"strings"

	"unitbloom/core/say"
	"unitbloom/core/task"
)

// Tasks is the page about every kind of task: what it is about, what can be chosen, what a
// child gets of the sample, and what is right and wrong.
func Tasks() string {
	var w strings.Builder
	w.WriteString("# Tasks\n\nWritten from the registry by `make generate`. A task is made with `unitbloom task KIND " +
		"ABOUT…`, and an answer " +
		"judged with `unitbloom mark --task FILE --answer FILE`: an answer is a JSON object with a text for each gap, a " +
		"board in its notation. A task is marked from its kind, what it is about and its options; its face, which is all " +
		"that a child gets, follows from them.\n")
	for _, spec := range task.Specs() {
		one := task.Task{Kind: spec.Kind, About: spec.Sample}
		face, err := task.FaceOf(one, say.Vocabulary{})
		if err != nil {
			panic(err)
		}
		fmt.Fprintf(&w, "\n## %s: `%s`\n\n%s About: %s.\n\n", spec.Title, spec.Kind, spec.Doc, spec.About)
		for _, o := range spec.Options {
			fmt.Fprintf(&w, "- `%s`: %s", o.Name, o.Doc)
			if len(o.Choices) > 0 {
				fmt.Fprintf(&w, " %s.", strings.Join(o.Choices, ", "))
			}
			w.WriteString("\n")
		}
		fmt.Fprintf(&w, "\nOf `%s` a child gets: %s Its gaps: %s.\n\n", strings.Join(spec.Sample, "` `"), face.Ask,
			gaps(face))
		writeAnswers(&w, one)
	}
	return w.String()
}

// mostGaps is how many gaps are told.
const mostGaps = 8

func gaps(f task.Face) string {
	var list []string
	for i, b := range f.Blanks {
		if i == mostGaps {
			list = append(list, "…")
			break
		}
		list = append(list, "`"+b.ID+"`")
	}
	return strings.Join(list, ", ")
}

// writeAnswers tells what the first gap that differs may hold, and what is said of it.
func writeAnswers(w *strings.Builder, one task.Task) {
	right, err := task.Right(one)
	if err != nil {
		panic(err)
	}
	wrong, err := task.Wrong(one)
	if err != nil {
		panic(err)
	}
	w.WriteString("| not right yet | the hint | as if |\n| --- | --- | --- |\n")
	for _, a := range wrong {
		v, err := task.Mark(one, a, say.Vocabulary{})
		if err != nil {
			panic(err)
		}
		var as []string
		for _, s := range v.Mistakes {
			as = append(as, s.As)
		}
		fmt.Fprintf(w, "| %s | %s | %s |\n", cell(apart(a, right[0])), v.Hint, strings.Join(as, "; "))
	}
}

// apart is what of an answer differs from a right one.
func apart(a, right task.Answer) string {
	var list []string
	for id, text := range right {
		if a[id] != text {
			list = append(list, fmt.Sprintf("`%s`: %s", id, shown(a[id])))
		}
	}
	for id, text := range a {
		if _, known := right[id]; !known {
			list = append(list, fmt.Sprintf("`%s`: %s", id, shown(text)))
		}
	}
	return strings.Join(slices.Sorted(slices.Values(list)), ", ")
}

func shown(text string) string {
	if text == "" {
		return "nothing"
	}
	return "`" + text + "`"
}
