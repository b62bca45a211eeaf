package lesson

import (
	"encoding/json"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	_ "unitbloom/core/model"
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
