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

// FoundBy is the text that a search goes through, in small letters: the lesson's title and
// objective, its scenes and problems, its word cards and what its record says.
func FoundBy(l lesson.Lesson) string {
	parts := []string{l.Title, l.Objective}
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
	return Sought(strings.Join(parts, " \n"))
}

// Sought is a text as it is sought: signs and spaces of a sum may be written in any way.
func Sought(text string) string {
	text = strings.NewReplacer("−", "-", "–", "-", "×", "x", "*", "x", "÷", "/").Replace(strings.ToLower(text))
	words := strings.Fields(text)
	var b strings.Builder
	for i, word := range words {
		sign := strings.Trim(word, "+-x/=<>") == ""
		if i > 0 && !sign && strings.Trim(words[i-1], "+-x/=<>") != "" {
			b.WriteByte(' ')
		}
		b.WriteString(word)
	}
	return b.String()
}
