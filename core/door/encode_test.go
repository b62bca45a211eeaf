package door

import (
	"encoding/json"
	"reflect"
	"sync"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// branch is a type that holds itself.
type branch struct {
	Name  string   `json:"name"`
	Under []branch `json:"under"`
}

// A server answers many at once, the first of a type too.
func TestAnswersAreWrittenForManyAtOnce(t *testing.T) {
	type leaf struct {
		Tree []branch `json:"tree"`
	}
	var all sync.WaitGroup
	for range 16 {
		all.Go(func() {
			got, err := encode(nil, reflect.ValueOf(leaf{Tree: []branch{{Name: "x"}}}))
			assert.NoError(t, err)
			assert.Equal(t, `{"tree":[{"name":"x","under":null}]}`, string(got))
		})
	}
	all.Wait()
}

// What is written here is what the standard library writes, sign by sign, of every answer that
// a lesson can give.
func TestAnswersAreWrittenAsTheLibraryDoes(t *testing.T) {
	d := New()
	tens := place.Tens
	answers := []any{
		None{}, Failure{Code: "x", Text: "“Half” <of> it & \"more\"\u2028\x01"},
		ZoneView{Label: "tens", Place: &tens, Move: &board.Move{Kind: "bundle"}}, []Pieces(nil), Pieces{}, []string(nil),
		lesson.Step{Asks: say.Predict, Say: say.Line{Own: "é"}}, struct {
			Deep  []struct{ N int8 } `json:"deep"`
			Left  string             `json:"-"`
			Empty map[string]string  `json:"empty,omitempty"`
			Names map[string]string  `json:"names"`
			Part  *int               `json:"part,omitempty"`
			Bytes []byte             `json:"bytes"`
			Half  float64            `json:"half"`
			Under []branch           `json:"under"`
		}{Under: []branch{{Name: "a", Under: []branch{{Name: "b"}}}}, Names: map[string]string{"b": "2", "a": "<"},
			Bytes: []byte{1, 2}, Half: 0.5},
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
		want, err := json.Marshal(answer)
		require.NoError(t, err)
		got, err := encode(nil, reflect.ValueOf(answer))
		require.NoError(t, err)
		assert.Equal(t, string(want), string(got))
	}
}
