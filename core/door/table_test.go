package door_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/door"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

// Numbers under one another have their points under one another: what one lacks after its last digit is
// told, in the signs of the class. Words, sentences and whole numbers lack nothing.
func TestATableTellsWhatItsNumbersLackAtTheirEnds(t *testing.T) {
	rows := func(words say.Vocabulary, cells ...[]string) (lines []door.WrittenLine) {
		b, err := board.Parse("blocks 0")
		require.NoError(t, err)
		step := lesson.Step{}
		for _, row := range cells {
			step.Write = append(step.Write, lesson.Write{Kind: "row", Cells: row})
		}
		d := openLesson(t, lesson.Lesson{Format: 2, Title: "Bulbs", Words: words,
			Scenes: []lesson.Scene{{ID: "a", Title: "A", Start: b, Steps: []lesson.Step{step}}}})
		var f struct {
			Lines []door.WrittenLine `json:"lines"`
		}
		d.call("show", map[string]any{"scene": "a", "step": 1, "present": true}, &f)
		require.Len(t, f.Lines, len(cells))
		return f.Lines
	}
	lines := rows(say.Vocabulary{}, []string{"12.5", "start", "6 + 0 = 6"}, []string{"3.45", "+10", "0.5 + 1 = 1.5"},
		[]string{"420", "× 10", ""})
	assert.Equal(t, []string{"0", "", ""}, lines[0].Ends)
	assert.Nil(t, lines[1].Ends)
	assert.Equal(t, []string{".00", "", ""}, lines[2].Ends)
	for _, line := range rows(say.Vocabulary{}, []string{"42"}, []string{"420"}) {
		assert.Nil(t, line.Ends)
	}
	lines = rows(say.Vocabulary{Numbers: "4 002,5"}, []string{"4002.5"}, []string{"12"})
	assert.Equal(t, []string{"4\u00a0002,5"}, lines[0].Cells)
	assert.Equal(t, []string{",0"}, lines[1].Ends)
}
