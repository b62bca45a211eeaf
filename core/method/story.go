package method

import (
	"slices"
	"strings"

	"unitbloom/core/place"
	"unitbloom/core/say"
)

var storyOption = Option{
	Name: "story",
	Doc: "A story of the problem, its numbers in curly braces in the order of the problem: it opens the example, and " +
		"another problem is told with its own numbers.",
	Sample: "{3} bees sit in the tree. {2} more come.",
}

// storied is an example that begins with the teacher's own story, told with the numbers of its problem. A method
// with a story of its own tells it itself.
func (s Spec) storied(r Request, e Example) (Example, error) {
	told := strings.TrimSpace(r.Options[storyOption.Name])
	if told == "" || s.owns(storyOption.Name) {
		return e, nil
	}
	story, ok := say.ReadStory(told)
	numbers := r.numbers()
	switch {
	case len(numbers) == 0:
		return Example{}, say.Refuse("story-none")
	case !ok || len(story.Numbers()) > len(numbers) || len([]rune(told)) > say.MostOfStory:
		return Example{}, say.Refuse("story-numbers", given("n", len(numbers)))
	}
	return e.opened(say.New("story.opening", text("told", story.Tell(numbers...)))), nil
}

// opened is an example, and each further way of it, with something said before all else.
func (e Example) opened(first say.Message) Example {
	e.Scene.Steps = slices.Clone(e.Scene.Steps)
	if len(e.Scene.Steps) > 0 {
		begin := &e.Scene.Steps[0].Say
		begin.Message = first.And(begin.Message)
	}
	e.More = slices.Clone(e.More)
	for i := range e.More {
		e.More[i] = e.More[i].opened(first)
	}
	return e
}

// numbers are those of the problem, as they were typed and in their order.
func (r Request) numbers() []string {
	var out []string
	for _, arg := range r.Args {
		for _, token := range Tokens(arg) {
			if n, err := place.Parse(token); err == nil {
				out = append(out, n.String())
			}
		}
	}
	return out
}
