package lesson_test

import (
	"encoding/json"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	_ "unitbloom/core/model"
	"unitbloom/core/say"
)

const sample = `{"format":1,"id":"x","title":"Bulbs","words":{},"scenes":[
 {"id":"a","title":"A","start":{"models":[{"kind":"blocks","pieces":[{"place":"ones","count":13}]}]}},
 {"id":"b","title":"B","start":{"models":[{"kind":"rack","rows":[6,8]}]}}]}`

func read(t *testing.T, text string) lesson.Lesson {
	t.Helper()
	l, err := lesson.Decode([]byte(text))
	require.NoError(t, err)
	return l
}

func text(t *testing.T, l lesson.Lesson) string {
	t.Helper()
	body, err := json.Marshal(l)
	require.NoError(t, err)
	return string(body)
}

// The lessons of the demonstration say what examples say now: whole sentences, and none
// that only older lessons have.
func TestTheDemonstrationSpeaks(t *testing.T) {
	files, err := filepath.Glob("../../demo/*.json")
	require.NoError(t, err)
	require.NotEmpty(t, files)
	for _, file := range files {
		raw, err := os.ReadFile(file)
		require.NoError(t, err)
		l := read(t, string(raw))
		assert.Empty(t, l.Faults(), file)
		for _, sc := range l.Scenes {
			for i, step := range sc.Steps {
				for _, line := range step.Lines() {
					for m := &line.Message; m != nil && m.ID != ""; m = m.Then {
						assert.True(t, say.Says(m.ID), "%s, scene %s, step %d: nobody says %s", file, sc.ID, i+1, m.ID)
						assert.NotContains(t, m.Text(say.Vocabulary{}), "{", file)
					}
				}
			}
			for i, o := range sc.Replay() {
				assert.NoErrorf(t, o.Err, "%s, scene %s, step %d", file, sc.ID, i+1)
			}
		}
	}
}

func TestFilesOfFormatOneStillOpen(t *testing.T) {
	files, err := filepath.Glob("../../testdata/format/v1/*.json")
	require.NoError(t, err)
	require.NotEmpty(t, files)
	for _, file := range files {
		raw, err := os.ReadFile(file)
		require.NoError(t, err)
		l := read(t, string(raw))
		assert.Equal(t, text(t, l), text(t, read(t, text(t, l))))
		var was, is any
		require.NoError(t, json.Unmarshal(raw, &was))
		require.NoError(t, json.Unmarshal([]byte(text(t, l)), &is))
		was.(map[string]any)["format"] = float64(lesson.Format)
		was.(map[string]any)["minor"] = float64(lesson.Minor)
		for _, sc := range is.(map[string]any)["scenes"].([]any) {
			steps, _ := sc.(map[string]any)["steps"].([]any)
			for _, step := range steps {
				delete(step.(map[string]any), "asks") // told by the ids of the questions
			}
		}
		assert.True(t, assert.ObjectsAreEqual(was, is), "nothing of %s is lost", file)
		assert.Empty(t, l.Faults(), file)
		for _, sc := range l.Scenes {
			for i, o := range sc.Replay() {
				assert.NoErrorf(t, o.Err, "%s, scene %s, step %d", file, sc.ID, i+1)
			}
			for i, step := range sc.Steps {
				for _, l := range step.Lines() {
					assert.NotContains(t, l.Text(say.Vocabulary{}), "{", "%s, scene %s, step %d is said whole", file, sc.ID, i+1)
				}
			}
		}
	}
}

func TestANewerFormatIsReadAndKeptAsItCame(t *testing.T) {
	const newer = `{"format":3,"id":"x","title":"Bulbs","mood":"bright","scenes":[
 {"id":"a","title":"A","start":{"models":[{"kind":"blocks","pieces":[{"place":"ones","count":13}]}]},"weather":"rain"},
 {"id":"b","title":"B","start":{"models":[{"kind":"abacus","beads":7}]}}],"words":{"regroup":"weave"}}`
	l := read(t, newer)
	require.NotNil(t, l.Newer)
	assert.Equal(t, 3, l.Newer.Format)
	assert.Equal(t, 1, l.Newer.Unread, "the abacus is not understood here")
	require.Len(t, l.Scenes, 1)
	assert.Equal(t, "13", board.Total(l.Scenes[0].Start.Models[0]).String())
	assert.JSONEq(t, newer, text(t, l), "nothing of the file is lost")
	l.ID = "y"
	assert.JSONEq(t, strings.Replace(newer, `"id":"x"`, `"id":"y"`, 1), text(t, l))
	for _, e := range []lesson.Edit{{Kind: "removeScene", Scene: "a"}, {Kind: "setRecord"}} {
		same, err := lesson.Apply(l, e)
		assert.EqualError(t, err, e.Kind+": this file is from a newer version and is only read here")
		assert.JSONEq(t, text(t, l), text(t, same))
	}
	again := read(t, text(t, l))
	assert.Equal(t, text(t, l), text(t, again))
}

func TestBrokenFilesAreRefusedWithTheirPath(t *testing.T) {
	for _, c := range []struct{ from, to, says string }{
		{`"format":1,"id":"x","title":"Bulbs"`, `"format":3,"id":"x","name":"Bulbs"`,
			"format: this file is from a newer version (3; this one reads up to 2)"},
		{`"format":1`, `"format":0`, "format: 0 is not a format"},
		{`"format":1,`, ``, `format: it is missing; a lesson file begins with "format": 2`},
		{`"title":"Bulbs"`, `"title":"  "`, "title: a lesson needs a title of at most 200 letters"},
		{`"title":"Bulbs"`, `"title":7`, "title: this is not what belongs here (number)"},
		{`"rows":[6,8]`, `"rows":[6,18]`, "scenes[1].start.models[0]: rows[1]: 18 is not from 0 to 10"},
		{`"rows":[6,8]`, `"rows":[]`, "scenes[1].start.models[0]: rows: it has 0, and at least 1 are needed"},
		{`"kind":"rack"`, `"kind":"abacus"`,
			`scenes[1].start.models[0]: kind: there is no model called "abacus". Models are blocks, rack`},
		{`"count":13`, `"count":0`, "scenes[0].start.models[0]: pieces[0].count: 0 is not from 1 to 3000"},
		{`"count":13`, `"count":3001`, "scenes[0].start.models[0]: pieces[0].count: 3001 is not from 1 to 3000"},
		{`"place":"ones"`, `"place":"tenths"`, "scenes[0].start.models[0]: pieces[0].place: there is no block for tenths"},
		{`"place":"ones"`, `"place":"dozens"`, `scenes[0].start.models[0]: “dozens” is not a place`},
		{`"id":"b"`, `"id":"a"`, `scenes[1].id: another scene is called "a" too`},
		{`"words":{}`, `"words":{"regroup":"swap"}`, `words.regroup: "swap" is not a choice`},
		{`"start":{"models":[{"kind":"rack","rows":[6,8]}]}`, `"steps":[]`, "scenes[1].start: it is missing"},
		{`"title":"B",`, `"title":"B","marks":"left",`, `scenes[1].marks: "left" is not above or below`},
		{`"title":"B",`, `"title":"B","steps":[{"moves":[{}]}],`, "scenes[1].steps[0].kind: a move needs a kind"},
		{`]}`, ``, "file: this is not JSON"},
	} {
		require.Contains(t, sample, c.from)
		i := strings.LastIndex(sample, c.from)
		_, err := lesson.Decode([]byte(sample[:i] + c.to + sample[i+len(c.from):]))
		require.Errorf(t, err, "%s", c.to)
		assert.Contains(t, err.Error(), c.says)
	}
}

func TestJoinedStepsKeepTheMovesAndWritingOfBoth(t *testing.T) {
	l := read(t, `{"format":2,"id":"x","title":"T","words":{},"scenes":[{"id":"a","title":"A",`+
		`"start":{"models":[{"kind":"rack","rows":[0,0]}]},"steps":[`+
		`{"say":"Six.","moves":[{"kind":"build","amount":"6"}],"write":[{"kind":"text","text":"6"}]},`+
		`{"say":"Eight.","ask":"How many?","answer":"8","moves":[{"kind":"build","amount":"8"}],`+
		`"write":[{"kind":"text","text":"8"}]}]}]}`)
	steps := l.Scenes[0].Steps
	joined := steps[0].Join(steps[1])
	require.Len(t, joined.Moves, 2)
	require.Len(t, joined.Write, 2)
	assert.Equal(t, "6", joined.Write[0].Text)
	assert.Equal(t, "8", joined.Write[1].Text)
	assert.Equal(t, "How many?", joined.Ask.Text(say.Vocabulary{}))
	assert.Len(t, steps[0].Write, 1, "the steps are as they were")
}

func TestEditsThatDoNotFitChangeNothing(t *testing.T) {
	l := read(t, sample)
	before := text(t, l)
	for _, c := range []struct{ edit, says string }{
		{`{"kind":"grow"}`, "grow: there is no such edit"},
		{`{"kind":"play","scene":"z","moves":[]}`, `play: scene: there is no scene "z"`},
		{`{"kind":"play","scene":"a","moves":[{"kind":"tidy"},{"kind":"bundle","place":"tens"}]}`,
			"play: moves: move 2 (bundle): 0 tens here. A hundred needs 10 more."},
		{`{"kind":"putScene"}`, "putScene: put: it is missing"},
		{`{"kind":"removeScene","scene":"z"}`, `removeScene: scene: there is no scene "z"`},
		{`{"kind":"orderScenes","order":["a","a"]}`, "orderScenes: order: it must name each of the 2 scenes once"},
		{`{"kind":"orderScenes","order":["a"]}`, "orderScenes: order: it must name each of the 2 scenes once"},
		{`{"kind":"setLesson"}`, "setLesson: head: it is missing"},
		{`{"kind":"setLesson","head":{"title":"","words":{}}}`, "setLesson: title: a lesson needs a title"},
		{`{"kind":"setRecord","record":[{"text":""}]}`, "setRecord: record[0].text: a line has 1 to 500 letters"},
	} {
		var e lesson.Edit
		require.NoError(t, json.Unmarshal([]byte(c.edit), &e))
		after, err := lesson.Apply(l, e)
		require.Errorf(t, err, "%s", c.edit)
		assert.Contains(t, err.Error(), c.says)
		assert.Equal(t, before, text(t, after))
		assert.Equal(t, before, text(t, l))
	}
}

func TestEditsLeaveTheOldLessonAsItWas(t *testing.T) {
	l := read(t, sample)
	before := text(t, l)
	at := 1
	put := l.Scenes[0]
	put.ID = "c"
	for _, e := range []lesson.Edit{
		{Kind: "play", Scene: "a", Moves: []board.Move{{Kind: "clear"}}},
		{Kind: "putScene", Put: &put, At: &at},
		{Kind: "removeScene", Scene: "a"},
		{Kind: "orderScenes", Order: []string{"b", "a"}},
		{Kind: "setLesson", Head: &lesson.Head{Title: "Seeds", Words: say.Vocabulary{Ones: "units"}}},
		{Kind: "setRecord", Record: []lesson.Entry{{Text: "13 = 10 + 3"}}},
	} {
		after, err := lesson.Apply(l, e)
		require.NoError(t, err, e.Kind)
		assert.NotEqual(t, before, text(t, after), e.Kind)
		require.Equal(t, before, text(t, l), e.Kind)

		// What differs, told as edits, leads from the one to the other.
		back := after
		for _, d := range lesson.Difference(after, l) {
			back, err = lesson.Apply(back, d)
			require.NoError(t, err)
		}
		assert.Equal(t, before, text(t, back), e.Kind)
	}
}
