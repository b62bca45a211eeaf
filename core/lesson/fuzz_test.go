package lesson_test

import (
	"encoding/json"
	"testing"

	"github.com/stretchr/testify/require"

	"unitbloom/core/lesson"
)

// Whatever edits come: a lesson that took them can be opened, exported and imported.
func FuzzEdits(f *testing.F) {
	for _, seed := range []string{
		`[{"kind":"play","scene":"a","moves":[{"kind":"place","amount":"9 millions"}]}]`,
		`[{"kind":"orderScenes","order":null}]`,
		`[{"kind":"removeScene","scene":"a"},{"kind":"removeScene","scene":"b"},{"kind":"orderScenes","order":null}]`,
		`[{"kind":"notes","scene":"a","notes":[{"id":"n","text":"x","on":{"zone":"a long zone that there never is in any ` +
			`lesson"}}]}]`,
		`[{"kind":"steps","scene":"a","steps":[{"moves":[{"kind":"beside","readouts":null}]}]}]`,
		`[{"kind":"setBoard","scene":"a","start":{"models":[{"kind":"discs","top":"millions","bottom":"ones",` +
			`"pieces":[{"place":"millions","count":9}]}]}},{"kind":"play","scene":"a","moves":[{"kind":"place",` +
			`"amount":"999999"}]}]`,
		`[{"kind":"putScene","put":{"id":"c","title":"","start":{"models":[{"kind":"rack","rows":[6]}]}},"at":1}]`,
		`[{"kind":"setScene","scene":"a","sceneHead":{"title":"","show":null,"marks":""}}]`,
		`[{"kind":"record","at":0,"record":[{"text":"1"}]},{"kind":"setRecord","record":null}]`,
		`[{"kind":"ink","scene":"a","strokes":[{"id":"s","tool":"pen","colour":"ink","width":1,"on":{},"points":[[0,0],` +
			`[1,1]]}],"order":["s"]}]`,
	} {
		f.Add([]byte(seed))
	}
	start, err := lesson.Decode([]byte(sample))
	require.NoError(f, err)
	f.Fuzz(func(t *testing.T, raw []byte) {
		var edits []lesson.Edit
		if json.Unmarshal(raw, &edits) != nil {
			return
		}
		l := start
		for _, e := range edits {
			if next, err := lesson.Apply(l, e); err == nil {
				for _, back := range lesson.Difference(next, l) {
					_, err := lesson.Apply(next, back)
					require.NoError(t, err)
					break
				}
				l = next
			}
		}
		file, err := json.Marshal(l)
		require.NoError(t, err)
		again, err := lesson.Import(file)
		require.NoErrorf(t, err, "%s", file)
		same, err := json.Marshal(again)
		require.NoError(t, err)
		require.JSONEq(t, string(file), string(same))
	})
}
