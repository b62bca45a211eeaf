package door

import (
	"encoding/json"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/form"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
	"unitbloom/internal/proptest"
)

// What is written here is what the standard library writes, sign by sign, of every answer that
// a lesson can give.
func TestAnswersAreWrittenAsTheLibraryDoes(t *testing.T) {
	d := New()
	tens := place.Tens
	answers := []any{
		None{}, Failure{Code: "x", Text: "“Half” <of> it & \"more\"\u2028\x01"},
		ZoneView{Label: "tens", Place: &tens, Move: &board.Move{Kind: "bundle"}}, []Pieces(nil), Pieces{}, []string(nil),
		lesson.Step{Asks: say.Predict, Say: say.Line{Own: "é"}},
	}
	run := func(op, arg string) {
		handle, rest := handleOf([]byte(arg))
		out, err := byName[op].run(d, handle, rest)
		require.NoError(t, err, op)
		answers = append(answers, out)
	}
	b, err := board.Parse("discs 14t 3.t | rack 2: 6 8")
	require.NoError(t, err)
	l, err := json.Marshal(lesson.Lesson{Format: lesson.Format, Title: "Sums & more",
		Scenes: []lesson.Scene{{ID: "a", Start: b, Show: []string{"numeral", "written"}}}})
	require.NoError(t, err)
	run("open", `{"lesson":`+string(l)+`}`)
	run("show", `{"handle":1,"scene":"a"}`)
	run("apply", `{"handle":1,"move":{"kind":"bundle","place":"tens"}}`)
	run("apply", `{"move":{"kind":"cover","model":1,"zone":"row 1 left"},"handle":1}`)
	run("addExample", `{"handle":1,"id":"b","typed":"1.8 + 2.75"}`)
	for _, step := range []string{"1", "2", "3"} {
		run("show", `{"handle":1,"scene":"b","step":`+step+`,"present":true}`)
	}
	run("document", `{"handle":1}`)
	for _, answer := range answers {
		got, err := form.JSON(answer)
		require.NoError(t, err)
		assert.Equal(t, proptest.ByLibrary(t, answer), string(got))
	}
}
