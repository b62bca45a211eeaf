package store_test

import (
	"encoding/json"
	"fmt"
	"os"
	"path/filepath"
	"sync"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/model/pieces"
	"unitbloom/internal/store"
)

func open(t testing.TB) (*store.Store, string) {
	path := filepath.Join(t.TempDir(), "a b%c.db")
	s, err := store.Open(path, nil)
	require.NoError(t, err)
	t.Cleanup(func() { _ = s.Close() })
	return s, path
}

func sample(t testing.TB, id string) lesson.Lesson {
	b, err := board.Parse("blocks 1h 4t 13o")
	require.NoError(t, err)
	return lesson.Lesson{Format: lesson.Format, ID: id, Title: "Bulbs " + id,
		Scenes: []lesson.Scene{{ID: "a", Title: "A", Start: b}}}
}

func place(amount string) []lesson.Edit {
	return []lesson.Edit{{Kind: "play", Scene: "a", Moves: []board.Move{{Kind: "place",
		Args: pieces.AmountArgs{Amount: amount}}}}}
}

func total(t testing.TB, s *store.Store, id string) string {
	doc, _, err := s.Get(id)
	require.NoError(t, err)
	l, err := lesson.Decode(doc)
	require.NoError(t, err)
	return board.Total(l.Scenes[0].Start.Models[0]).String()
}

func TestSavesAreKeptOnceAndInOrder(t *testing.T) {
	s, path := open(t)
	_, err := s.Create("", sample(t, "x"))
	require.NoError(t, err)
	rev, err := s.Save("x", store.Save{Operation: "one", Base: 1, Edits: place("1 one")})
	require.NoError(t, err)
	assert.Equal(t, 2, rev)
	rev, err = s.Save("x", store.Save{Operation: "one", Base: 1, Edits: place("1 one")})
	require.NoError(t, err, "the same operation again does nothing")
	assert.Equal(t, 2, rev)
	assert.Equal(t, "154", total(t, s, "x"))

	rev, err = s.Save("x", store.Save{Operation: "two", Base: 1, Edits: place("1 one")})
	require.ErrorIs(t, err, store.ErrStale)
	assert.Equal(t, 2, rev)

	_, err = s.Save("x", store.Save{Operation: "three", Base: 2,
		Edits: append(place("1 ten"), lesson.Edit{Kind: "play", Scene: "z"})})
	require.EqualError(t, err, `edits[1].play: scene: there is no scene "z" in this lesson`)
	assert.Equal(t, "154", total(t, s, "x"), "of a refused save nothing is kept")
	_, err = s.Save("x", store.Save{Operation: "three", Base: 2, Edits: place("1 ten")})
	require.NoError(t, err, "a refused operation may be tried again")

	require.NoError(t, s.Close())
	again, err := store.Open(path, nil)
	require.NoError(t, err)
	defer again.Close()
	assert.Equal(t, "164", total(t, again, "x"))
	rev, done, err := again.Done("x", store.Save{Operation: "three", Edits: place("1 ten")})
	require.NoError(t, err)
	assert.True(t, done)
	assert.Equal(t, 3, rev)
}

func TestWritersSideBySideLoseNothing(t *testing.T) {
	s, _ := open(t)
	_, err := s.Create("", sample(t, "x"))
	require.NoError(t, err)
	var wg sync.WaitGroup
	const writers, each = 5, 12
	for w := range writers {
		wg.Go(func() {
			base := 1
			for n := 0; n < each; {
				rev, err := s.Save("x", store.Save{Operation: fmt.Sprintf("%d-%d", w, n), Base: base, Edits: place("1 ten")})
				if err == nil {
					n++
				} else {
					assert.ErrorIs(t, err, store.ErrStale)
				}
				base = rev
			}
		})
	}
	wg.Wait()
	assert.Equal(t, fmt.Sprint(153+10*writers*each), total(t, s, "x"))
}

func TestAReopenedLessonReplaysWhatCameSinceItWasWritten(t *testing.T) {
	s, path := open(t)
	_, err := s.Create("", sample(t, "x"))
	require.NoError(t, err)
	for rev := 1; rev < 3*store.SnapshotEvery+7; rev++ {
		_, err := s.Save("x", store.Save{Operation: fmt.Sprint(rev), Base: rev, Edits: place("1 one")})
		require.NoError(t, err)
		if rev%37 != 0 {
			continue
		}
		require.NoError(t, s.Close())
		s, err = store.Open(path, nil)
		require.NoError(t, err)
		require.Equal(t, fmt.Sprint(153+rev), total(t, s, "x"))
	}
	require.NoError(t, s.Close())
}

// A save of one move is as small beside a long record as beside none.
func TestASaveWritesLittleOfALongLesson(t *testing.T) {
	s, path := open(t)
	l := sample(t, "x")
	for i := range 1900 {
		l.Record = append(l.Record, lesson.Entry{Text: fmt.Sprintf("%060d", i)})
	}
	_, err := s.Create("", l)
	require.NoError(t, err)
	size := func() int64 {
		log, err := os.Stat(path + "-wal")
		require.NoError(t, err)
		return log.Size()
	}
	large, was := 0, size()
	for rev := 1; rev <= store.SnapshotEvery; rev++ {
		_, err := s.Save("x", store.Save{Operation: fmt.Sprint(rev), Base: rev, Edits: place("1 one")})
		require.NoError(t, err)
		now := size()
		if now-was > 60_000 {
			large++
		}
		was = now
	}
	assert.LessOrEqual(t, large, 2, "the first, whose row becomes longer, and the one that writes all of it")
}

func TestDeletedLessonsComeBack(t *testing.T) {
	s, _ := open(t)
	for _, id := range []string{"x", "y"} {
		_, err := s.Create("", sample(t, id))
		require.NoError(t, err)
	}
	require.NoError(t, s.Delete("x"))
	require.ErrorIs(t, s.Delete("x"), store.ErrNotFound)
	_, _, err := s.Get("x")
	require.ErrorIs(t, err, store.ErrNotFound)
	_, err = s.Save("x", store.Save{Operation: "o", Base: 1})
	require.ErrorIs(t, err, store.ErrNotFound)
	shelf, err := s.List(false)
	require.NoError(t, err)
	require.Len(t, shelf, 1)
	assert.Equal(t, "Bulbs y", shelf[0].Title)
	gone, err := s.List(true)
	require.NoError(t, err)
	require.Len(t, gone, 1)
	require.NoError(t, s.Restore("x"))
	assert.Equal(t, "153", total(t, s, "x"))
}

func TestBackupsAreWholeAndDoNotOverwrite(t *testing.T) {
	s, path := open(t)
	_, err := s.Create("", sample(t, "x"))
	require.NoError(t, err)
	copied := filepath.Join(filepath.Dir(path), "copy.db")
	b, err := s.Backup(copied)
	require.NoError(t, err)
	assert.Equal(t, int64(1), b.Lessons)
	_, err = s.Backup(copied)
	require.ErrorContains(t, err, "is there already. A backup does not overwrite")
	_, err = store.Backup(path, copied+"2")
	require.NoError(t, err, "while it is open, too")
	other, err := store.Open(copied, nil)
	require.NoError(t, err)
	defer other.Close()
	assert.Equal(t, "153", total(t, other, "x"))
}

func BenchmarkSave200kB(b *testing.B) {
	s, _ := open(b)
	l := sample(b, "x")
	for i := 0; len(mustJSON(b, l)) < 200_000; i++ {
		sc := l.Scenes[0]
		sc.ID = fmt.Sprint("s", i)
		sc.Title = fmt.Sprintf("%0180d", i)
		l.Scenes = append(l.Scenes, sc)
		if len(l.Scenes) == 200 {
			for j := range 1900 {
				l.Record = append(l.Record, lesson.Entry{Text: fmt.Sprintf("%060d", j)})
			}
		}
	}
	_, err := s.Create("", l)
	require.NoError(b, err)
	rev := 1
	for b.Loop() {
		rev, err = s.Save("x", store.Save{Operation: fmt.Sprint(rev), Base: rev,
			Edits: []lesson.Edit{{Kind: "play", Scene: "a", Moves: []board.Move{{Kind: "tidy"}}}}})
		require.NoError(b, err)
	}
}

func mustJSON(t testing.TB, value any) []byte {
	body, err := json.Marshal(value)
	require.NoError(t, err)
	return body
}

func TestAShowingIsFoundWithItsLessonAndGoesWithIt(t *testing.T) {
	s, _ := open(t)
	_, err := s.CreateShowing("", "x", sample(t, "monday"))
	require.NoError(t, err, "a device may send it before its lesson")
	_, err = s.Showings("", "x")
	require.ErrorIs(t, err, store.ErrNotFound)
	_, err = s.Create("", sample(t, "x"))
	require.NoError(t, err)
	for _, id := range []string{"tuesday", "monday"} {
		rev, err := s.CreateShowing("", "x", sample(t, id))
		require.NoError(t, err, "the same again does nothing")
		assert.Equal(t, 1, rev)
	}
	_, err = s.Create("", sample(t, "monday"))
	require.ErrorIs(t, err, store.ErrOther, "a showing's id is no lesson's")
	_, err = s.Save("monday", store.Save{Operation: "one", Base: 1, Edits: place("1 ten")})
	require.NoError(t, err)
	assert.Equal(t, "163", total(t, s, "monday"))
	assert.Equal(t, "153", total(t, s, "x"), "the lesson is as it was prepared")

	lines, err := s.List(false)
	require.NoError(t, err)
	require.Len(t, lines, 1, "the shelf has the lesson alone")
	shown, err := s.Showings("", "x")
	require.NoError(t, err)
	require.Len(t, shown, 2)
	assert.False(t, shown[0].CreatedAt.IsZero())
	require.NoError(t, s.Delete("tuesday"))
	shown, err = s.Showings("", "x")
	require.NoError(t, err)
	require.Len(t, shown, 1)
	assert.Equal(t, "monday", shown[0].ID)

	require.NoError(t, s.Delete("x"))
	_, err = s.Showings("", "x")
	assert.ErrorIs(t, err, store.ErrNotFound)
}
