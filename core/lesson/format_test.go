package lesson_test

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

// later is a lesson of a later minor of our format, with a field that we do not know
// wherever there can be one.
const later = `{"format":2,"minor":7,"id":"x","title":"Bulbs","mood":"bright","words":{},
 "record":[{"text":"13 = 10 + 3","by":"Odile"}],
 "scenes":[{"id":"a","title":"A","weather":"rain","start":{"season":"spring",
  "models":[{"kind":"blocks","shine":2,"pieces":[{"place":"ones","count":13}]}],
  "tiles":[{"linked":true,"shade":"soft"}]},
  "ink":[{"id":"s","tool":"pen","colour":"ink","width":1,"on":{},"points":[[0,0],[9,9]],"glow":1}],
  "notes":[{"id":"n","text":"ten","on":{},"x":1,"y":2,"tilt":3}],
  "steps":[{"say":"","ask":"","answer":"","look":"","moves":[],
   "write":[{"kind":"text","text":"hm","font":"chalk"}],"total":"13","unitForm":"13 ones","tempo":"slow"}]},
 {"id":"b","title":"B","start":{"models":[{"kind":"rack","rows":[6,8]}]}}]}`

func TestFieldsOfALaterMinorSurviveEdits(t *testing.T) {
	l := read(t, later)
	require.Nil(t, l.Newer, "it can be changed")
	assert.JSONEq(t, later, text(t, l))
	for _, e := range []string{
		`{"kind":"setLesson","head":{"title":"Seeds","objective":"","words":{"ones":"units"}}}`,
		`{"kind":"play","scene":"b","moves":[{"kind":"build","amount":"3"}]}`,
		`{"kind":"setScene","scene":"a","sceneHead":{"title":"AA","show":[],"marks":""}}`,
		`{"kind":"ink","scene":"a","strokes":[{"id":"t","tool":"pen","colour":"ink","width":1,"on":{},"points":[[0,0],` +
			`[9,9]],"spark":1}]}`,
		`{"kind":"steps","scene":"a","at":1,"steps":[{"say":"Next.","ask":"","answer":"","look":"",` +
			`"moves":[{"kind":"tidy"}],"write":[],"total":"","unitForm":"","wait":2}]}`,
		`{"kind":"orderScenes","order":["b","a"]}`,
	} {
		var edit lesson.Edit
		require.NoError(t, json.Unmarshal([]byte(e), &edit))
		var err error
		l, err = lesson.Apply(l, edit)
		require.NoError(t, err, e)
	}
	kept := text(t, read(t, text(t, l)))
	for _, field := range []string{"mood", "by", "weather", "season", "shine", "shade", "glow", "tilt", "font", "tempo",
		"spark", "wait"} {
		assert.Contains(t, kept, `"`+field+`":`, "it is written again")
	}
	assert.Contains(t, kept, `"minor":7`)
}

func TestAFieldThatOurMinorCannotHaveIsAFault(t *testing.T) {
	l := read(t, strings.Replace(later, `"minor":7,`, "", 1))
	var paths []string
	for _, f := range l.Faults() {
		paths = append(paths, f.Path+" "+f.Reason)
	}
	assert.Contains(t, paths, `file there is no field "mood"`)
	assert.Contains(t, paths, `scenes[0].steps[0].write[0] there is no field "font"`)
	assert.Contains(t, paths, `scenes[0].start there is no field "shine"`)
	assert.Len(t, paths, 10)
}

func TestWhatWeDoNotKnowEnoughOfIsOnlyRead(t *testing.T) {
	for name, file := range map[string]string{
		"it says so": `{"format":2,"requires":["sound"],"title":"T","words":{},"scenes":[{"id":"a","title":"A",` +
			`"start":{"models":[{"kind":"rack","rows":[6,8]}]}}]}`,
		"a field deep inside": strings.Replace(later, `"place":"ones","count":13`, `"place":"ones","count":13,"hum":1`,
			1),
		"a model of a later time": strings.Replace(later, `{"kind":"rack","rows":[6,8]}`, `{"kind":"loom","threads":[6,8]}`,
			1),
	} {
		l, err := lesson.Decode([]byte(file))
		require.NoError(t, err, name)
		require.NotNil(t, l.Newer, name)
		assert.JSONEq(t, strings.Replace(file, `"title"`, `"id":"`+l.ID+`","title"`, 1), text(t, l),
			"%s: the file is kept as it came", name)
		_, err = lesson.Apply(l, lesson.Edit{Kind: "setRecord"})
		assert.ErrorIs(t, err, lesson.ErrNewer, name)
	}
}

func TestUpgradingIsPureAndLeadsToTheSame(t *testing.T) {
	one := []byte(sample)
	before := string(one)
	two, err := lesson.Upgrade(1, one)
	require.NoError(t, err)
	assert.Equal(t, before, string(one), "the input is not altered")
	assert.JSONEq(t, strings.Replace(sample, `"format":1`, `"format":2`, 1), string(two))
	edits := `[{"kind":"play","scene":"a","moves":[{"kind":"tidy"}]}]`
	same, err := lesson.UpgradeEdits(1, []byte(edits))
	require.NoError(t, err)
	assert.JSONEq(t, edits, string(same))
	_, err = lesson.UpgradeEdits(9, []byte(edits))
	assert.EqualError(t, err, "format: 9 is not from 1 to 2")
}

func TestAnEditBringsNothingThatAFileCannotHold(t *testing.T) {
	l := read(t, sample)
	for _, c := range []struct{ edit, says string }{
		{`{"kind":"steps","scene":"a","steps":[{"moves":[{"kind":"fly"}]}]}`,
			`steps: steps[0].moves[0].kind: there is no move called "fly"`},
		{`{"kind":"steps","scene":"a","steps":[{"moves":[{"kind":"take","pieces":[{"place":"ones","ids":[3]}]}]}]}`,
			"steps: steps[0].moves[0].pieces[0].ids: this is only known while a lesson is open; a file names pieces by place " +
				"and count"},
		{`{"kind":"steps","scene":"a","steps":[{"moves":[{"kind":"tidy","model":7}]}]}`,
			"steps: steps[0].moves[0].model: a board has at most four models"},
		{`{"kind":"steps","scene":"a","at":3,"drop":1}`, "steps: at: steps 4 to 4 are not among 0"},
		{`{"kind":"steps","scene":"a","steps":[{"write":[{"kind":"song"}]}]}`,
			`steps: steps[0].write[0].kind: "song" is not sentence, cell, row, bond or text`},
		{`{"kind":"notes","scene":"a","notes":[{"id":"n","text":"x","on":{"zone":"` + strings.Repeat("z", 41) + `"}}]}`,
			"notes: notes[0].on.zone: it has more than 40 letters"},
		{`{"kind":"setScene","scene":"a","sceneHead":{"title":"","show":[],"marks":"left"}}`,
			`setScene: sceneHead.marks: "left" is not above or below`},
		{`{"kind":"setBoard","scene":"a"}`, "setBoard: start: it is missing"},
		{`{"kind":"setBoard","scene":"a","start":{"models":[{"kind":"rack","rows":[6]}],"mood":1}}`,
			`setBoard: start: there is no field "mood"`},
		{`{"kind":"record","at":0,"record":[{"text":""}]}`, "record: record[0].text: a line has 1 to 500 letters"},
		{`{"kind":"putScene","put":{"id":"c","title":"","start":{"models":[{"kind":"rack","rows":[6]}]},` +
			`"steps":[{"moves":[{"kind":"beside","readouts":null}]}]}}`,
			"putScene: put.steps[0].moves[0].readouts: it is missing"},
		{`{"kind":"` + strings.Repeat("k", 500) + `"}`, "…: there is no such edit"},
	} {
		var e lesson.Edit
		require.NoError(t, json.Unmarshal([]byte(c.edit), &e), c.edit)
		after, err := lesson.Apply(l, e)
		require.Error(t, err, c.edit)
		assert.Contains(t, err.Error(), c.says)
		assert.Less(t, len(err.Error()), 700)
		assert.Equal(t, text(t, l), text(t, after))
	}
}

func TestCheckingStopsAfterTwentyFaults(t *testing.T) {
	l := read(t, sample)
	for range 60 {
		l.Record = append(l.Record, lesson.Entry{})
	}
	assert.Len(t, l.Faults(), 20)
	step := lesson.Step{}
	for range 60 {
		step.Moves = append(step.Moves, board.Move{Kind: strings.Repeat("x", 9000)})
	}
	l = read(t, sample)
	l.Scenes[0].SetSteps([]lesson.Step{step})
	faults := l.Faults()
	assert.Len(t, faults, 20)
	for _, f := range faults {
		assert.Less(t, len(f.Error()), 300, "a fault quotes at most 200 letters")
	}
}

// A lesson that can be saved can be taken away and brought back: it does not grow
// beyond what is taken, and can always be made smaller.
func TestALessonDoesNotOutgrowItsFile(t *testing.T) {
	l := read(t, sample)
	stroke := func(id string) lesson.Edit {
		s := lesson.Stroke{ID: id, Tool: "pen", Colour: "ink", Width: 1}
		for k := range 2000 {
			s.Points = append(s.Points, [2]int{-19000 + k, 12345})
		}
		return lesson.Edit{Kind: "ink", Scene: "a", Strokes: []lesson.Stroke{s}}
	}
	full := ""
	for i := range 500 {
		if i < 250 { // far from full
			l.Scenes[0].Ink = append(l.Scenes[0].Ink, stroke(fmt.Sprint("s", i)).Strokes...)
			continue
		}
		next, err := lesson.Apply(l, stroke(fmt.Sprint("s", i)))
		if err != nil {
			full = err.Error()
			break
		}
		l = next
	}
	assert.Contains(t, full, "ink: this lesson is full: it would be longer than 8 MB")
	assert.LessOrEqual(t, len(text(t, l)), lesson.MaxBytes)
	assert.Greater(t, len(text(t, l)), lesson.MaxBytes*9/10, "and not before")
	smaller, err := lesson.Apply(l, lesson.Edit{Kind: "ink", Scene: "a", Erase: []string{"s0", "s1"}})
	require.NoError(t, err)
	_, err = lesson.Apply(smaller, lesson.Edit{Kind: "setLesson", Head: &lesson.Head{Title: "Full",
		Words: say.Vocabulary{}}})
	require.NoError(t, err, "what does not make it too long still works")
	back := smaller
	for _, e := range lesson.Difference(smaller, l) {
		back, err = lesson.Apply(back, e)
		require.NoError(t, err)
	}
	assert.Equal(t, text(t, l), text(t, back), "the largest lesson is edited and undone")
}

func TestWhatDiffersLeadsFromOneLessonToAnother(t *testing.T) {
	one, two := read(t, strings.Replace(later, `,"weather":"rain"`, "", 1)), read(t, sample)
	two.Minor, two.Scenes[0].Title = one.Minor, "Other"
	two.Scenes = append(two.Scenes, one.Scenes[0])
	two.Scenes[2].ID = "c"
	two.Record = []lesson.Entry{{Text: "1"}, {Text: "13 = 10 + 3"}, {Text: "2"}}
	for _, pair := range [][2]lesson.Lesson{{one, two}, {two, one}} {
		l := pair[0]
		for _, e := range lesson.Difference(pair[0], pair[1]) {
			var read lesson.Edit
			body, err := json.Marshal(e)
			require.NoError(t, err)
			require.NoError(t, json.Unmarshal(body, &read))
			l, err = lesson.Apply(l, read)
			require.NoError(t, err, string(body))
		}
		want, err := json.Marshal(pair[1].Scenes)
		require.NoError(t, err)
		got, err := json.Marshal(l.Scenes)
		require.NoError(t, err)
		assert.JSONEq(t, string(want), string(got))
		assert.Empty(t, lesson.Difference(l, pair[1]))
	}
}
