package store_test

import (
	"fmt"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/say"
	"unitbloom/internal/store"
)

// lessonOf is a lesson of what a teacher types.
func lessonOf(t *testing.T, id, line string) lesson.Lesson {
	t.Helper()
	g, faults := method.Grant(line, nil, say.Vocabulary{})
	require.Empty(t, faults, line)
	return lesson.Lesson{Format: lesson.Format, ID: id, Title: g.Title, Scenes: method.Named(g.Scenes, "a")}
}

func ids(page store.Page) string {
	var out []string
	for _, line := range page.Lessons {
		out = append(out, line.ID)
	}
	return strings.Join(out, " ")
}

func shelf(t *testing.T, s *store.Store, q store.Query) store.Page {
	t.Helper()
	page, err := s.Shelf(q)
	require.NoError(t, err)
	return page
}

// Lessons are found by what is said of them, sorted, filed, and told in parts.
func TestTheShelfIsSearchedSortedAndFiled(t *testing.T) {
	s, _ := open(t)
	for id, line := range map[string]string{"plus": "58 + 67", "minus": "402 − 167", "rack": "8 and 6 on a rack",
		"share": "97 ÷ 4"} {
		_, err := s.Create("", lessonOf(t, id, line))
		require.NoError(t, err)
	}
	for text, want := range map[string]string{
		"": "plus minus rack share", "402-167": "minus", "97/4": "share", "8 AND 6": "rack", "67 58": "plus", "nothing": "",
	} {
		page := shelf(t, s, store.Query{Text: text})
		assert.ElementsMatch(t, strings.Fields(want), strings.Fields(ids(page)), text)
		assert.Equal(t, len(strings.Fields(want)), page.Total, text)
		assert.Equal(t, 4, page.All)
	}
	// What a save adds is found, and what it leaves as it was still is.
	for id, edit := range map[string]lesson.Edit{
		"rack": {Kind: "record", Record: []lesson.Entry{{Text: "Snowdrops first"}}},
		"plus": {Kind: "notes", Scene: "a", Notes: []lesson.Note{{ID: "n", Text: "here"}}},
	} {
		_, err := s.Save(id, store.Save{Operation: "1", Base: 1, Edits: []lesson.Edit{edit}})
		require.NoError(t, err)
	}
	assert.Equal(t, "rack", ids(shelf(t, s, store.Query{Text: "snowdrops"})))
	assert.Equal(t, "plus", ids(shelf(t, s, store.Query{Text: "67 58"})))
	assert.Equal(t, "minus", ids(shelf(t, s, store.Query{Topic: "subtraction"})))
	assert.Equal(t, "minus plus rack share", ids(shelf(t, s, store.Query{Sort: "title"})))
	assert.Equal(t, "rack plus minus share", ids(shelf(t, s, store.Query{Sort: "topic"})))
	assert.Equal(t, "plus rack", ids(shelf(t, s, store.Query{Sort: "title", From: 1, Most: 2})))
	assert.Equal(t, []store.Count{{Name: "counting", N: 1}, {Name: "addition", N: 1}, {Name: "subtraction", N: 1},
		{Name: "division", N: 1}}, shelf(t, s, store.Query{}).Topics)

	require.NoError(t, s.Move("", []string{"plus", "minus"}, " Spring "))
	page := shelf(t, s, store.Query{Folder: "Spring", Sort: "title"})
	assert.Equal(t, "minus plus", ids(page))
	assert.Equal(t, []store.Count{{Name: "Spring", N: 2}}, page.Folders)
	require.NoError(t, s.Move("", []string{"plus"}, ""))
	assert.Equal(t, "minus", ids(shelf(t, s, store.Query{Folder: "Spring"})))
	require.ErrorIs(t, s.Move("", []string{"plus"}, strings.Repeat("x", store.MaxFolder+1)), store.ErrFolder)
}

// What a save changes is found from then on, and topics follow.
func TestTheShelfFollowsWhatIsSaved(t *testing.T) {
	s, _ := open(t)
	_, err := s.Create("", lessonOf(t, "x", "8 and 6 on a rack"))
	require.NoError(t, err)
	more := lessonOf(t, "y", "97 ÷ 4").Scenes[0]
	more.ID = "b"
	_, err = s.Save("x", store.Save{Operation: "o", Base: 1, Edits: []lesson.Edit{{Kind: "putScene", Put: &more}}})
	require.NoError(t, err)
	page := shelf(t, s, store.Query{Text: "97 ÷ 4"})
	require.Equal(t, "x", ids(page))
	assert.Equal(t, []string{"counting", "division"}, page.Lessons[0].Topics)
}

// The lesson that was opened last comes first; one that is only looked at again is not noted anew.
func TestTheLastOpenedComesFirst(t *testing.T) {
	s, _ := open(t)
	for _, id := range []string{"a", "b", "c"} {
		_, err := s.Create("", lessonOf(t, id, "58 + 67"))
		require.NoError(t, err)
	}
	s.SetClock(func() time.Time { return time.Now().Add(time.Hour) })
	require.NoError(t, s.Opened("b"))
	first := shelf(t, s, store.Query{}).Lessons[0]
	assert.Equal(t, "b", first.ID)
	require.NoError(t, s.Opened("b"))
	assert.Equal(t, first.OpenedAt, shelf(t, s, store.Query{}).Lessons[0].OpenedAt)
}

// Lessons that were kept before the shelf knew of topics are filed when the database is opened.
func TestEarlierLessonsAreFiled(t *testing.T) {
	s, err := store.Open(fixture(t, "before-shelf.sqlite"), nil)
	require.NoError(t, err)
	defer func() { require.NoError(t, s.Close()) }()
	page := shelf(t, s, store.Query{Topic: "addition"})
	assert.Contains(t, titles(page), "Two deliveries: adding in columns")
	assert.Equal(t, 8, shelf(t, s, store.Query{}).All)
	assert.NotZero(t, shelf(t, s, store.Query{Text: "trays"}).Total)
	for _, line := range shelf(t, s, store.Query{}).Lessons {
		assert.False(t, line.OpenedAt.IsZero(), line.Title)
	}
}

func titles(page store.Page) (out []string) {
	for _, line := range page.Lessons {
		out = append(out, line.Title)
	}
	return out
}

func BenchmarkShelfOf10000(b *testing.B) {
	s, err := store.Open(b.TempDir()+"/b.db", nil)
	require.NoError(b, err)
	defer func() { _ = s.Close() }()
	var list []lesson.Lesson
	for i := range 10_000 {
		list = append(list, lesson.Lesson{Format: lesson.Format, ID: fmt.Sprintf("lesson-%d", i),
			Title: fmt.Sprintf("Bulbs %d", i)})
	}
	_, err = s.CreateAll("", list)
	require.NoError(b, err)
	for b.Loop() {
		if page, err := s.Shelf(store.Query{Text: "99", Sort: "title", Most: 60}); err != nil || page.Total == 0 {
			b.Fatal(err, page.Total)
		}
	}
}
