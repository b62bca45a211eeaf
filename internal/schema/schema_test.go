package schema_test

import (
	"encoding/json"
	"fmt"
	"os"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/demo"
	"unitbloom/internal/schema"
)

func TestPublishedSchemasAreFresh(t *testing.T) {
	for path, value := range map[string]any{
		"../../docs/schema/lesson.v1.schema.json": schema.Lesson(),
		"../../docs/schema/door.schema.json":      schema.Door(),
	} {
		want, err := json.MarshalIndent(value, "", "  ")
		require.NoError(t, err)
		got, err := os.ReadFile(path)
		require.NoError(t, err)
		assert.Equal(t, string(want)+"\n", string(got), "run make generate")
	}
}

func TestDemoLessonsFitTheSchema(t *testing.T) {
	files, err := demo.Lessons.ReadDir(".")
	require.NoError(t, err)
	require.GreaterOrEqual(t, len(files), 3)
	for _, f := range files {
		raw, err := demo.Lessons.ReadFile(f.Name())
		require.NoError(t, err)
		_, err = schema.ReadLesson(raw)
		require.NoError(t, err, f.Name())
	}
}

// Every move of the registry, and every worked example, is a lesson that the
// published schema takes.
func TestAllThatTheCoreMakesFitsTheSchema(t *testing.T) {
	l := lesson.Lesson{Format: 1, Title: "All moves"}
	for _, spec := range board.Specs() {
		for _, mv := range append(spec.Moves, board.BoardMoves()...) {
			if mv.Board == "" {
				continue
			}
			b, err := board.Parse(mv.Board)
			require.NoError(t, err)
			l.Scenes = append(l.Scenes, lesson.Scene{
				ID: fmt.Sprint(len(l.Scenes)), Start: b,
				Steps: []lesson.Step{{Moves: []board.Move{{Kind: mv.Kind, Args: mv.Example}}, Write: []lesson.Write{}}},
			})
		}
	}
	for _, m := range method.Specs() {
		e, err := method.Make(method.Request{Method: m.ID, Args: m.Sample})
		require.NoError(t, err)
		e.Scene.ID = m.ID
		l.Scenes = append(l.Scenes, e.Scene)
	}
	raw, err := json.Marshal(l)
	require.NoError(t, err)
	_, err = schema.ReadLesson(raw)
	require.NoError(t, err)
}

func TestFaultsNameTheirField(t *testing.T) {
	good := `{"format":1,"id":"","title":"T","words":{},"scenes":[{"id":"a","title":"","start":{"models":[{"kind":"rack","rows":[6,8]}]}}]}`
	_, err := schema.ReadLesson([]byte(good))
	require.NoError(t, err)
	for _, c := range []struct{ from, to, path string }{
		{`"title":"T"`, `"titel":"T"`, "file"},
		{`"rows":[6,8]`, `"rows":"many"`, "scenes[0].start.models[0].rows"},
		{`"rows":[6,8]`, `"rows":[6,8],"beads":1`, "scenes[0].start.models[0]"},
		{`"id":"a"`, `"id":["a"]`, "scenes[0].id"},
		{`"title":"",`, `"title":"","hidden":1,`, "scenes[0]"},
		{`"rows":[6,8]`, `"rows":[6,88]`, "scenes[0].start.models[0]"},
	} {
		_, err := schema.ReadLesson([]byte(strings.Replace(good, c.from, c.to, 1)))
		require.Error(t, err, c.to)
		assert.Truef(t, strings.HasPrefix(err.Error(), c.path), "%s: %v", c.to, err)
	}
}
