package schema_test

import (
	"bytes"
	"encoding/json"
	"fmt"
	"os"
	"slices"
	"strings"
	"testing"

	validator "github.com/santhosh-tekuri/jsonschema/v6"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/demo"
	"unitbloom/internal/schema"
	"unitbloom/internal/tally"
)

// published holds JSON to the published schema of lessons.
func published(t *testing.T) func(raw []byte) error {
	body, err := json.Marshal(schema.Lesson())
	require.NoError(t, err)
	doc, err := validator.UnmarshalJSON(bytes.NewReader(body))
	require.NoError(t, err)
	c := validator.NewCompiler()
	require.NoError(t, c.AddResource("lesson.json", doc))
	s, err := c.Compile("lesson.json")
	require.NoError(t, err)
	return func(raw []byte) error {
		value, err := validator.UnmarshalJSON(bytes.NewReader(raw))
		if err != nil {
			return err
		}
		return s.Validate(value)
	}
}

func TestPublishedSchemasAreFresh(t *testing.T) {
	for path, value := range map[string]any{
		fmt.Sprintf("../../docs/schema/lesson.v%d.schema.json", lesson.Format): schema.Lesson(),
		"../../docs/schema/door.schema.json":                                   schema.Door(),
	} {
		want, err := json.MarshalIndent(value, "", "  ")
		require.NoError(t, err)
		got, err := os.ReadFile(path)
		require.NoError(t, err)
		assert.Truef(t, string(want)+"\n" == string(got), "%s is stale: run make generate", path)
	}
}

func TestDemoLessonsFitTheSchema(t *testing.T) {
	fits := published(t)
	files, err := demo.Lessons.ReadDir(".")
	require.NoError(t, err)
	require.GreaterOrEqual(t, len(files), 3)
	for _, f := range files {
		raw, err := demo.Lessons.ReadFile(f.Name())
		require.NoError(t, err)
		require.NoError(t, fits(raw), f.Name())
		_, err = lesson.Import(raw)
		require.NoError(t, err, f.Name())
	}
}

// everything is a lesson with every move of the registry and every worked example.
func everything(t *testing.T) lesson.Lesson {
	l := lesson.Lesson{Format: lesson.Format, Title: "All moves"}
	for _, spec := range board.Specs() {
		for _, mv := range append(slices.Clone(spec.Moves), board.BoardMoves()...) {
			b, err := board.Parse(mv.Board)
			require.NoError(t, err)
			l.Scenes = append(l.Scenes, lesson.Scene{
				ID: fmt.Sprint(len(l.Scenes)), Start: b, Steps: []lesson.Step{{Moves: []board.Move{{Kind: mv.Kind,
					Args: mv.Example}}}},
			})
		}
	}
	for _, m := range method.Specs() {
		e, err := method.Make(method.Request{Method: m.ID, Args: m.Sample})
		require.NoError(t, err)
		e.Scene.ID = m.ID
		l.Scenes = append(l.Scenes, e.Scene)
	}
	return l
}

func TestAllThatTheCoreMakesFitsTheSchema(t *testing.T) {
	fits, l := published(t), everything(t)
	for _, sc := range l.Scenes {
		l.Scenes = []lesson.Scene{sc}
		raw, err := json.Marshal(l)
		require.NoError(t, err)
		require.NoError(t, fits(raw), sc.ID)
		_, err = lesson.Import(raw)
		require.NoError(t, err, sc.ID)
	}
}

// The core takes what the published schema takes, and refuses what it refuses: files
// are changed at every place, by taking a field away, by another name, another type,
// a number at and beyond each end.
func TestTheCoreAndTheSchemaAgreeOnEveryFault(t *testing.T) {
	fits := published(t)
	tried, refused, lax := 0, 0, map[string]bool{}
	for i, sc := range everything(t).Scenes {
		if i%7 != 0 && sc.Made == nil {
			continue
		}
		if len(sc.Steps) > 2 {
			sc.SetSteps(sc.Steps[:2])
		}
		sc.Notes = []lesson.Note{{ID: "n", Text: "ten"}}
		sc.Ink = []lesson.Stroke{{ID: "s", Tool: "pen", Colour: "ink", Width: 1, Points: [][2]int{{0, 0}, {1, 1}}}}
		raw, err := json.Marshal(lesson.Lesson{Format: lesson.Format, Title: "T", Scenes: []lesson.Scene{sc},
			Record: []lesson.Entry{{Text: "1 = 1"}}})
		require.NoError(t, err)
		var whole any
		require.NoError(t, json.Unmarshal(raw, &whole))
		mutate(whole, func(what string) {
			body, err := json.Marshal(whole)
			require.NoError(t, err)
			inSchema := fits(body)
			l, inCore := lesson.Import(body)
			tried++
			if inSchema != nil && l.Newer == nil {
				refused++
			}
			// What the core takes it writes again in the published form, and it drops no
			// field that it does not know.
			if inCore == nil && l.Newer == nil {
				again, err := json.Marshal(l)
				require.NoError(t, err)
				if fits(again) != nil || inSchema != nil && strings.HasPrefix(what, "another name") {
					lax[what] = true
				}
			}
		})
	}
	assert.Empty(t, lax, "the core takes these, which the published form has not")
	assert.Greater(t, tried, 2000)
	assert.Greater(t, refused, tried/2)
}

// mutate changes a JSON tree at one place after another, and puts it back.
func mutate(v any, try func(what string)) {
	switch node := v.(type) {
	case map[string]any:
		for _, key := range sortedKeys(node) {
			old := node[key]
			mutate(old, try)
			for _, other := range others(old) {
				node[key] = other
				try(fmt.Sprintf("%s: %.20v for %.20v", key, other, old))
			}
			delete(node, key)
			node["un"+key] = old
			try("another name for " + key)
			delete(node, "un"+key)
			node[key] = old
		}
	case []any:
		if len(node) > 0 {
			mutate(node[0], try)
		}
	}
}

func others(v any) []any {
	switch old := v.(type) {
	case string:
		return []any{7.0, []any{old}, strings.Repeat("z", 2500)}
	case float64:
		return []any{"many", -1.0, 1e6, 0.5}
	case bool:
		return []any{"yes"}
	case []any:
		return []any{"none", nil, map[string]any{}}
	case map[string]any:
		return []any{"none", 3.0}
	}
	return nil
}

func sortedKeys(m map[string]any) []string {
	var keys []string
	for k := range m {
		keys = append(keys, k)
	}
	slices.Sort(keys)
	return keys
}

// A model that nothing else names gets its place in the schemas, whatever it is
// called: it takes no other definition's name.
func TestAModelMayBeCalledAsItLikes(t *testing.T) {
	before := written(t, schema.Door())
	var kinds []string
	for _, spec := range board.Specs() {
		kinds = append(kinds, spec.Kind)
	}
	var names []string
	for name := range before {
		names = append(names, strings.ToLower(name[:1])+name[1:])
	}
	slices.Sort(names)
	some := names[:0]
	for chunk := range slices.Chunk(names, 6) {
		some = append(some, chunk[0]) // there are many, and all are named in one way
	}
	for _, name := range append(some, "line", "move", "board", "place", "step", "note", "tile") {
		if slices.Contains(kinds, name) {
			continue
		}
		spec := tally.Spec()
		spec.Kind = name
		withModel(spec, func() {
			lessons, calls := written(t, schema.Lesson()), written(t, schema.Door())
			for old, was := range before {
				if old == "Model" || old == "Move" {
					continue
				}
				require.Equal(t, was, calls[old], "a model called %q takes the place of %s among the calls", name, old)
				if now, there := lessons[old]; there && old != "Select" {
					require.Equal(t, was, now, "a model called %q takes the place of %s in a lesson", name, old)
				}
			}
		})
	}
}

// written is each definition of a schema as it is written.
func written(t *testing.T, s any) map[string]string {
	out := map[string]string{}
	for name, def := range defs(t, s) {
		body, err := json.Marshal(def)
		require.NoError(t, err)
		out[name] = string(body)
	}
	return out
}

func defs(t *testing.T, s any) map[string]any {
	body, err := json.Marshal(s)
	require.NoError(t, err)
	var out struct {
		Defs map[string]any `json:"$defs"`
	}
	require.NoError(t, json.Unmarshal(body, &out))
	return out.Defs
}

func withModel(spec board.ModelSpec, run func()) {
	defer board.With(spec)()
	run()
}

func TestFaultsNameTheirField(t *testing.T) {
	good := `{"format":2,"id":"","title":"T","words":{},"scenes":[{"id":"a","title":"",` +
		`"start":{"models":[{"kind":"rack","rows":[6,8]}]}}]}`
	_, err := lesson.Import([]byte(good))
	require.NoError(t, err)
	for _, c := range []struct{ from, to, says string }{
		{`"title":"T"`, `"titel":"T"`, `title: a lesson needs a title`},
		{`"title":"T"`, `"title":"T","mood":1`, `file: there is no field "mood"`},
		{`"rows":[6,8]`, `"rows":"many"`, "scenes[0].start.models[0]: rows: this is not what belongs here (string)"},
		{`"rows":[6,8]`, `"rows":[6,8],"beads":1`, `scenes[0].start: there is no field "beads"`},
		{`"id":"a"`, `"id":["a"]`, "scenes[0].id"},
		{`"title":"",`, `"title":"","hidden":1,`, `scenes[0]: there is no field "hidden"`},
		{`"rows":[6,8]`, `"rows":[6,88]`, "scenes[0].start.models[0]"},
	} {
		_, err := lesson.Import([]byte(strings.Replace(good, c.from, c.to, 1)))
		require.Error(t, err, c.to)
		assert.Truef(t, strings.HasPrefix(err.Error(), c.says), "%s: %v", c.to, err)
	}
}
