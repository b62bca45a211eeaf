package lesson

import (
	"encoding/json"
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	_ "unitbloom/core/model"
	"unitbloom/core/say"
)

// What a lesson takes at most is reckoned without writing it out, and is never less than
// what it takes.
func TestALessonTakesNoMoreThanIsReckoned(t *testing.T) {
	files, err := filepath.Glob("../../demo/*.json")
	require.NoError(t, err)
	require.NotEmpty(t, files)
	for _, file := range files {
		raw, err := os.ReadFile(file)
		require.NoError(t, err)
		l, err := Decode(raw)
		require.NoError(t, err)
		check := func(what string) {
			written, err := json.Marshal(l)
			require.NoError(t, err)
			assert.GreaterOrEqual(t, l.atMost(), len(written), "%s, %s", file, what)
		}
		check("as it is")
		l.Title, l.Objective = strings.Repeat("<", 200), strings.Repeat("&", 500)
		l.Record = nil
		for range 500 {
			l.Record = append(l.Record, Entry{Text: strings.Repeat("<", 500), Scene: strings.Repeat("s", 40)})
		}
		check("with a record of what is long in JSON")
		l.Scenes = nil
		check("without scenes")
	}
}

func TestListsOfAlikeThingsArePartedOnce(t *testing.T) {
	same := func(a, b *string) bool { return *a == *b }
	for _, c := range []struct{ from, to, come string }{
		{"aa", "a", ""}, {"a", "aa", "a"}, {"aba", "aa", ""}, {"", "ab", "ab"}, {"ab", "", ""}, {"abc", "axc", "x"},
		{"aaa", "aa", ""}, {"ab", "ab", ""},
	} {
		from, to := strings.Split(c.from, ""), strings.Split(c.to, "")
		at, drop, come := splice(from, to, same)
		assert.Equal(t, c.come, strings.Join(come, ""), "%s to %s", c.from, c.to)
		back := strings.Join(from[:at], "") + strings.Join(come, "") + strings.Join(from[at+drop:], "")
		assert.Equal(t, c.to, back, "%s to %s", c.from, c.to)
	}
}

// Of a newer lesson as much is read as can be; one of which nothing can be is not opened.
func TestANewerLessonIsOpenedWhenAnythingOfItIsRead(t *testing.T) {
	read := func(scenes string) (Lesson, error) {
		return Decode([]byte(`{"format":9,"title":"T","words":{},"scenes":[` + scenes + `],"record":[]}`))
	}
	const good = `{"id":"a","title":"A","start":{"models":[{"kind":"rack","rows":[3]}]},"steps":[]}`
	const strange = `{"id":"b","wind":true}`
	l, err := read("")
	require.NoError(t, err, "no scenes are no reason")
	assert.Empty(t, l.Scenes)
	l, err = read(strange + "," + good + "," + good)
	require.NoError(t, err)
	assert.Len(t, l.Scenes, 1)
	assert.Equal(t, 2, l.Newer.Unread)
	_, err = read(strange)
	require.ErrorIs(t, err, ErrNewer)
}

// A lesson is reckoned at its length in whatever it is long.
func TestEveryPartOfALessonIsReckoned(t *testing.T) {
	long := strings.Repeat("\u0001", 40_000)
	base := func() Lesson {
		var l Lesson
		require.NoError(t, json.Unmarshal([]byte(`{"format":2,"title":"T","words":{},"scenes":[{"id":"a","title":"A",`+
			`"start":{"models":[{"kind":"blocks","pieces":[]}]}}]}`), &l))
		return l
	}
	for what, grow := range map[string]func(*Lesson){
		"title":     func(l *Lesson) { l.Title = long },
		"objective": func(l *Lesson) { l.Objective = long },
		"shapes":    func(l *Lesson) { l.Words.Shapes = long },
		"columns":   func(l *Lesson) { l.Words.Columns = long },
		"scene":     func(l *Lesson) { l.Scenes[0].Title = long },
		"problem":   func(l *Lesson) { l.Scenes[0].Made = &Made{Problem: long} },
		"answer":    func(l *Lesson) { l.Scenes[0].Made = &Made{Answer: long} },
		"options": func(l *Lesson) {
			made := Made{Options: map[string]string{}}
			for i := range 300 {
				made.Args = append(made.Args, strings.Repeat("9", 150))
				made.Options[strings.Repeat("o", i%50+1)+string(rune('a'+i%26))] = strings.Repeat("v", 100)
			}
			l.Scenes[0].Made = &made
		},
		"show":  func(l *Lesson) { l.Scenes[0].Show = []string{strings.Repeat("n", 40_000)} },
		"steps": func(l *Lesson) { l.Scenes[0].SetSteps([]Step{{Say: say.Line{Own: long}}}) },
		"ink": func(l *Lesson) {
			l.Scenes[0].Ink = []Stroke{{ID: "i", Points: make([][2]int, 4000)}}
			for i := range l.Scenes[0].Ink[0].Points {
				l.Scenes[0].Ink[0].Points[i] = [2]int{-19999, -19999}
			}
		},
		"covers": func(l *Lesson) {
			b := &l.Scenes[0].Start
			for i := range board.MaxCovers {
				b.Covers = append(b.Covers, board.Cover{Zone: strings.Repeat("z", 60), At: &board.Rect{X: -20000 + i, Y: -20000,
					W: 20000, H: 20000}})
			}
			l.Scenes[0].Title = long
		},
		"tile":   func(l *Lesson) { l.Scenes[0].Start.Tiles[0].Title = long },
		"notes":  func(l *Lesson) { l.Scenes[0].Notes = []Note{{ID: "n", Text: long}} },
		"record": func(l *Lesson) { l.Record = []Entry{{Text: long}, {Scene: long}} },
	} {
		l := base()
		grow(&l)
		written, err := json.Marshal(l)
		require.NoError(t, err)
		assert.Greater(t, len(written), 30_000, what)
		assert.GreaterOrEqual(t, l.atMost(), len(written), what)
	}
}

// One that is too long already may become shorter, and not longer.
func TestAFullLessonMayBecomeShorter(t *testing.T) {
	scene := func(id string, letters int) Scene {
		var s Scene
		require.NoError(t, json.Unmarshal([]byte(`{"id":"`+id+`","title":"A","start":{"models":[{"kind":"blocks",`+
			`"pieces":[]}]}}`), &s))
		s.Title = strings.Repeat("x", letters)
		return s
	}
	full := Lesson{Title: "T", Scenes: []Scene{scene("a", MaxBytes), scene("b", 50)}}
	shorter := full
	shorter.Scenes = full.Scenes[:1]
	require.NoError(t, shorter.fits(full))
	require.NoError(t, full.fits(full), "as long as it was")
	require.ErrorContains(t, full.fits(shorter), "this lesson is full")
}

func TestALineIsAsLongInAnyLetters(t *testing.T) {
	faults := func(letter string, n int) faultList {
		var out faultList
		s := Step{Ask: say.Line{Own: strings.Repeat(letter, n)}}
		s.faults(&out, "steps[0]", Minor)
		return out
	}
	for _, letter := range []string{"a", "é", "語"} {
		assert.Empty(t, faults(letter, maxText), letter)
		require.Len(t, faults(letter, maxText+1), 1, letter)
		assert.Equal(t, "steps[0].ask", faults(letter, maxText+1)[0].Path)
	}
}

// A step that is refused keeps its totals, and so do those after it.
func TestOnlyStepsThatFitAreStamped(t *testing.T) {
	var s Scene
	require.NoError(t, json.Unmarshal([]byte(`{"id":"a","title":"A",
		"start":{"models":[{"kind":"blocks","pieces":[{"place":"ones","count":3}]}]},"steps":[
		{"say":"","ask":"","answer":"","look":"","moves":[{"kind":"place","amount":"1 ten"}],
			"write":[],"total":"","unitForm":""},
		{"say":"","ask":"","answer":"","look":"","moves":[{"kind":"bundle","place":"ones"}],
			"write":[],"total":"made","unitForm":""},
		{"say":"","ask":"","answer":"","look":"","moves":[],"write":[],"total":"made","unitForm":""}]}`), &s))
	s = s.Stamp()
	assert.Equal(t, []string{"13", "made", "made"}, []string{s.Steps[0].Total, s.Steps[1].Total, s.Steps[2].Total})
}

// What cannot be read says why; what is newer is taken as far as it is understood.
func TestWhatIsImportedIsReadFirst(t *testing.T) {
	_, err := Import([]byte(`{"format":2,"title":7}`))
	var faults *FileError
	require.Error(t, err)
	require.False(t, errors.As(err, &faults), "it was never read: %v", err)
	l, err := Import([]byte(`{"format":3,"title":"T","mood":"bright","scenes":[{"id":"a","title":"A",` +
		`"start":{"models":[{"kind":"blocks","pieces":[]}]}}]}`))
	require.NoError(t, err)
	require.NotNil(t, l.Newer)
}

// A lesson with as many scenes and lines as it may have opens; one more is told.
func TestALessonIsFullAtItsLimits(t *testing.T) {
	of := func(scenes, record int) error {
		l := Lesson{Title: "T"}
		for i := range scenes {
			var s Scene
			require.NoError(t, json.Unmarshal([]byte(`{"id":"s","title":"A","start":{"models":[{"kind":"blocks",`+
				`"pieces":[]}]}}`), &s))
			s.ID = fmt.Sprintf("s%d", i)
			l.Scenes = append(l.Scenes, s)
		}
		for range record {
			l.Record = append(l.Record, Entry{Text: "1 = 1"})
		}
		raw, err := json.Marshal(l)
		require.NoError(t, err)
		_, err = Decode(raw)
		return err
	}
	assert.NoError(t, of(maxScenes, maxRecord))
	assert.ErrorContains(t, of(maxScenes+1, 0), "scenes: 201 are too many")
	assert.ErrorContains(t, of(1, maxRecord+1), "record: 2001 are too many")
}

// Of a newer lesson a scene that lacks what we cannot do without is not read, nor is one
// that we do not understand; the others are.
func TestScenesOfANewerLessonAreReadOneByOne(t *testing.T) {
	good := `{"id":"a","title":"A","start":{"models":[{"kind":"blocks","pieces":[]}]}}`
	for what, other := range map[string]string{
		"no id":      `{"id":"","title":"A","start":{"models":[{"kind":"blocks","pieces":[]}]}}`,
		"no model":   `{"id":"b","title":"A","start":{"models":[]}}`,
		"new model":  `{"id":"b","title":"A","start":{"models":[{"kind":"spiral"}]}}`,
		"no board":   `{"id":"b","title":"A"}`,
		"same scene": good,
	} {
		l, err := Decode([]byte(`{"format":3,"title":"T","scenes":[` + good + `,` + other + `]}`))
		require.NoError(t, err, what)
		require.NotNil(t, l.Newer, what)
		assert.Equal(t, 1, l.Newer.Unread, what)
		assert.Len(t, l.Scenes, 1, what)
	}
}
