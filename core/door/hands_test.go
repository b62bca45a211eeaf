package door_test

import (
	"encoding/json"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/door"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

// A show of hands is offered the answer among what mistakes give, four at most, and nothing
// where there is nothing to choose from.
func TestAnswersToChooseFrom(t *testing.T) {
	d := openLesson(t, lesson.Lesson{Format: 2, Title: "Bulbs", Words: say.Vocabulary{Numbers: "4002,5"},
		Scenes: []lesson.Scene{}})
	for id, c := range map[string]struct {
		method string
		args   []string
		want   []string
	}{
		"minus":   {"column-subtract", []string{"402", "167"}, []string{"235", "245", "345", "365"}},
		"tenths":  {"column-add", []string{"3.7", "2.85"}, []string{"1,15", "5,155", "5,55", "6,55"}},
		"share":   {"share", []string{"97", "4"}, []string{"21 remainder 3", "24 remainder 1"}},
		"nothing": {"column-add", []string{"23", "45"}, []string{}},
		"typed":   {"column-subtract", []string{"402", "−", "167"}, []string{"235", "245", "345", "365"}},
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

// What is selected can be typed again, unless its count is held back.
func TestASelectionIsToldAsItIsTyped(t *testing.T) {
	d := desk{t: t, door: door.New()}
	var out wished
	d.call("wish", map[string]any{"text": "2 tens 13 ones", "words": map[string]any{}}, &out)
	d = openLesson(t, *out.Lesson)
	var f struct {
		Board struct {
			Models []struct{ Pieces []json.RawMessage }
		}
	}
	d.call("show", map[string]any{"scene": out.Lesson.Scenes[0].ID}, &f)
	var ids []int
	for _, p := range f.Board.Models[0].Pieces {
		var piece []any
		require.NoError(t, json.Unmarshal(p, &piece))
		ids = append(ids, int(piece[0].(float64)))
	}
	var s door.Selection
	d.call("selection", map[string]any{"model": 0, "ids": ids}, &s)
	assert.Equal(t, "2 tens 13 ones", s.Form)
	assert.Equal(t, "15 selected", s.Text)
	d.apply(`{"kind":"holdBack","counts":"reveal","readouts":[]}`)
	d.call("show", map[string]any{"scene": out.Lesson.Scenes[0].ID, "present": true}, nil)
	s = door.Selection{}
	d.call("selection", map[string]any{"model": 0, "ids": ids}, &s)
	assert.Empty(t, s.Form)
}
