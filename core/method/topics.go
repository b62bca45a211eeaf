// What a lesson is about, and what it can be found by.

package method

import (
	"slices"
	"strings"

	"unitbloom/core/lesson"
	"unitbloom/core/place"
)

// Topics are those that lessons are sorted by, in the order of a school's years.
var Topics = []string{"counting", "place value", "addition", "subtraction", "multiplication", "division"}

var topicOf = map[string]string{
	"number": "place value", "add": "addition", "subtract": "subtraction", "multiply": "multiplication",
	"divide": "division",
}

// TopicsOf are the topics of a lesson: of its worked examples what they work, of its free
// boards what their models are good for.
func TopicsOf(l lesson.Lesson) []string {
	there := map[string]bool{}
	for _, sc := range l.Scenes {
		switch {
		case sc.Made != nil:
			if spec, err := Find(sc.Made.Method); err == nil {
				there[topicOf[spec.Operation]] = true
			}
		case sc.Page.Shows():
			for _, m := range sc.Start.Models {
				if most := specOf(m.Kind()).Most; most > 0 && most <= place.Hundreds.Value().Count(place.Ones) {
					there["counting"] = true
				} else {
					there["place value"] = true
				}
			}
		}
	}
	return slices.DeleteFunc(slices.Clone(Topics), func(topic string) bool { return !there[topic] })
}

// FoundBy is the text that a search goes through, as it is sought: all that a lesson tells of itself.
func FoundBy(l lesson.Lesson) string { return Sought(strings.Join(ofItself(l), " \n")) }

// FoundAlike tells whether two lessons are found by the same text.
func FoundAlike(a, b lesson.Lesson) bool { return slices.Equal(ofItself(a), ofItself(b)) }

// ofItself is what a lesson tells of itself: its title and objective, its scenes and problems, its word
// cards and what its record says.
func ofItself(l lesson.Lesson) []string {
	parts := make([]string, 0, 2+2*len(l.Scenes)+len(l.Record))
	parts = append(parts, l.Title, l.Objective)
	for _, sc := range l.Scenes {
		if parts = append(parts, sc.Title); sc.Title == "" {
			parts = append(parts, sc.Start.Numbers())
		}
		if sc.Made != nil {
			parts = append(parts, sc.Made.Problem)
		}
	}
	for _, entry := range l.Record {
		parts = append(parts, entry.Text)
	}
	return parts
}

// plainSigns are those that a keyboard has, in place of those of print.
var plainSigns = strings.NewReplacer("−", "-", "–", "-", "×", "x", "*", "x", "÷", "/")

// Sought is a text as it is sought, in small letters: signs and spaces of a sum may be written in
// any way.
func Sought(text string) string {
	var b strings.Builder
	b.Grow(len(text))
	joins := true // to what stands before, without a space
	for word := range strings.FieldsSeq(plainSigns.Replace(strings.ToLower(text))) {
		sign := strings.Trim(word, "+-x/=<>") == ""
		if !sign && !joins {
			b.WriteByte(' ')
		}
		b.WriteString(word)
		joins = sign
	}
	return b.String()
}
