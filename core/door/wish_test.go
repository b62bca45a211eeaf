package door_test

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/door"
	"unitbloom/core/lesson"
)

// wished is what a test reads of what a line comes to.
type wished struct {
	Lesson *lesson.Lesson
	As     way
	Others []way
	Faults []door.LineFault
}

type way struct {
	Method, Model, Label string
	Face                 struct {
		Models []struct{ Pieces []json.RawMessage }
	}
}

// A line becomes a lesson, tells how it was understood, and can be had in each other way;
// one that says nothing is told why.
func TestALineBecomesALesson(t *testing.T) {
	d := desk{t: t, door: door.New()}
	var out wished
	d.call("wish", map[string]any{"text": "58 + 67", "words": map[string]any{}}, &out)
	require.NotNil(t, out.Lesson)
	assert.Equal(t, "58 + 67", out.Lesson.Title)
	assert.Equal(t, "Column addition on base-ten blocks", out.As.Label)
	assert.NotEmpty(t, out.Others)
	for _, other := range out.Others {
		var again wished
		d.call("wish", map[string]any{"text": "58 + 67", "words": map[string]any{},
			"as": map[string]any{"method": other.Method, "model": other.Model}}, &again)
		assert.Equal(t, other.Label, again.As.Label)
		require.NotEmpty(t, other.Face.Models, other.Label)
		assert.NotEmpty(t, other.Face.Models[0].Pieces, "%s is seen before it is chosen", other.Label)
	}
	out = wished{}
	d.call("wish", map[string]any{"text": "58 + 67\nwhat", "words": map[string]any{}}, &out)
	assert.Nil(t, out.Lesson)
	require.Len(t, out.Faults, 1)
	assert.Equal(t, 2, out.Faults[0].Line)
}

// The same line goes into an open lesson, one undo for all that it brings.
func TestALineGoesIntoAnOpenLesson(t *testing.T) {
	d := openLesson(t, lesson.Lesson{Format: 2, Title: "Bulbs", Scenes: []lesson.Scene{}})
	var u changed
	d.call("addWish", map[string]any{"text": "8 and 6 on a rack; 97 ÷ 4", "id": "more"}, &u)
	doc := d.document()
	require.Len(t, doc.Scenes, 2)
	assert.Equal(t, []string{"more", "more-1"}, []string{doc.Scenes[0].ID, doc.Scenes[1].ID})
	assert.Equal(t, "rack", doc.Scenes[0].Start.Models[0].Kind())
	d.call("undo", map[string]any{}, nil)
	assert.Empty(t, d.document().Scenes)
	assert.Contains(t, d.try("addWish", map[string]any{"text": "what", "id": "no"}, nil), "what")
}

// All beads are on a rack from the first: its picture is the board that shows the most.
func TestThePictureOfARackShowsANumber(t *testing.T) {
	for problem, shown := range map[string]int{"add-facts 8 + 6": 14, "subtract-facts 13 - 5": 13} {
		by, typed, _ := strings.Cut(problem, " ")
		var doc lesson.Lesson
		d := openLesson(t, lesson.Lesson{Format: 2, Title: "T"})
		d.call("addExample", map[string]any{"id": "x", "typed": typed, "method": by, "model": "rack"}, nil)
		d.call("document", map[string]any{}, &doc)
		raw, err := json.Marshal(door.Face(doc))
		require.NoError(t, err)
		var drawn struct {
			Models []struct {
				W      float64
				Pieces [][]any
			}
		}
		require.NoError(t, json.Unmarshal(raw, &drawn))
		pushed := 0
		for _, bead := range drawn.Models[0].Pieces {
			if x := bead[2].(float64); x < drawn.Models[0].W/2 {
				pushed++
			}
		}
		assert.Equal(t, shown, pushed, problem)
	}
}

// Of two lessons that are alike but for what moves under a cover, the pictures are the same.
func TestAPictureTellsNothingOfWhatIsCovered(t *testing.T) {
	picture := func(first, then string) string {
		raw := fmt.Sprintf(`{"format":2,"id":"l","title":"T","words":{},"scenes":[{"id":"a","title":"A",
			"start":{"models":[{"kind":"discs","pieces":[]},{"kind":"counters","pieces":[]}]},
			"steps":[{"moves":[{"kind":"cover","zone":"all"},{"model":1,"kind":"build","amount":"6"}]},
				{"moves":[{"kind":"build","amount":%q},{"model":1,"kind":"scatter","seed":1}]},
				{"moves":[{"kind":"build","amount":%q},{"model":1,"kind":"scatter","seed":2}]}]}]}`, first, then)
		l, err := lesson.Decode([]byte(raw))
		require.NoError(t, err)
		face, err := json.Marshal(door.Face(l))
		require.NoError(t, err)
		return string(face)
	}
	assert.Equal(t, picture("300", "800"), picture("800", "300"))
}
