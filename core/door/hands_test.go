package door_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

// A show of hands is offered the answer among what mistakes give, four at most, and nothing
// where there is nothing to choose from.
func TestAnswersToChooseFrom(t *testing.T) {
	d := openLesson(t, lesson.Lesson{Format: 2, Title: "Bulbs", Words: say.Vocabulary{Numbers: "4002,5"}, Scenes: []lesson.Scene{}})
	for id, c := range map[string]struct {
		method string
		args   []string
		want   []string
	}{
		"minus":   {"column-subtract", []string{"402", "167"}, []string{"235", "245", "345", "365"}},
		"tenths":  {"column-add", []string{"3.7", "2.85"}, []string{"1,15", "5,155", "5,55", "6,55"}},
		"share":   {"share", []string{"97", "4"}, []string{"21 remainder 3", "24 remainder 1"}},
		"nothing": {"column-add", []string{"23", "45"}, []string{}},
	} {
		d.call("addExample", map[string]any{"id": id, "method": c.method, "args": c.args}, nil)
		d.call("show", map[string]any{"scene": id, "step": 1}, nil)
		var h struct{ Answers []string }
		d.call("hands", map[string]any{}, &h)
		assert.Equal(t, c.want, h.Answers, id)
	}
	d.call("addBoard", map[string]any{"id": "free", "title": "Free", "kinds": []string{"rack"}}, nil)
	d.call("show", map[string]any{"scene": "free"}, nil)
	var h struct{ Answers []string }
	d.call("hands", map[string]any{}, &h)
	assert.Empty(t, h.Answers)
}
