package store_test

import (
	"database/sql"
	"encoding/json"
	"fmt"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"

	_ "github.com/glebarez/go-sqlite"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/internal/store"
)

func TestAnOperationsIdIsItsOwn(t *testing.T) {
	s, _ := open(t)
	for _, id := range []string{"x", "y"} {
		_, err := s.Create("", sample(t, id))
		require.NoError(t, err)
	}
	one := store.Save{Operation: "one", Base: 1, Edits: place("1 one")}
	rev, err := s.Save("x", one)
	require.NoError(t, err)
	assert.Equal(t, 2, rev)
	_, err = s.Save("x", store.Save{Operation: "one", Base: 1, Edits: place("2 ones")})
	require.ErrorIs(t, err, store.ErrOther, "other edits under its id are refused")
	_, err = s.Save("nowhere", one)
	require.ErrorIs(t, err, store.ErrNotFound, "it was not made on another lesson")
	rev, err = s.Save("y", one)
	require.NoError(t, err, "another lesson may have the same")
	assert.Equal(t, 2, rev)
	assert.Equal(t, "154", total(t, s, "y"))
}

func TestALessonIsMadeOnce(t *testing.T) {
	s, _ := open(t)
	_, err := s.Create("", sample(t, "x"))
	require.NoError(t, err)
	_, err = s.Save("x", store.Save{Operation: "one", Base: 1, Edits: place("1 one")})
	require.NoError(t, err)
	rev, err := s.Create("", sample(t, "x"))
	require.NoError(t, err, "the same again does nothing")
	assert.Equal(t, 2, rev)
	assert.Equal(t, "154", total(t, s, "x"))
	other := sample(t, "x")
	other.Title = "Seeds"
	_, err = s.Create("", other)
	require.ErrorIs(t, err, store.ErrOther)
	require.NoError(t, s.Delete("x"))
	rev, err = s.Create("", sample(t, "x"))
	require.NoError(t, err)
	assert.Equal(t, 2, rev, "one that was deleted meanwhile is not made again")
	assert.False(t, s.Has("x"))

	_, err = s.CreateAll("", []lesson.Lesson{sample(t, "a"), sample(t, "b"), other})
	require.ErrorIs(t, err, store.ErrOther)
	assert.False(t, s.Has("a"), "all or none")
}

// fixture is a database as an earlier version left it.
func fixture(t *testing.T, name string) string {
	raw, err := os.ReadFile("../../testdata/store/" + name)
	require.NoError(t, err)
	path := filepath.Join(t.TempDir(), name)
	require.NoError(t, os.WriteFile(path, raw, 0o644))
	return path
}

func tables(t *testing.T, path string) []string {
	db, err := sql.Open("sqlite", path)
	require.NoError(t, err)
	defer db.Close()
	rows, err := db.Query("SELECT name || ': ' || coalesce(sql, '') FROM sqlite_master")
	require.NoError(t, err)
	defer rows.Close()
	var out []string
	for rows.Next() {
		var line string
		require.NoError(t, rows.Scan(&line))
		out = append(out, strings.NewReplacer("`", "", `"`, "", ", ", ",").Replace(line))
	}
	slices.Sort(out)
	return out
}

// A database of the first format, with saves that no snapshot holds yet, opens with
// all that is in it; both the snapshot and the saves are of the format before.
func TestADatabaseOfTheFirstFormatOpens(t *testing.T) {
	path := fixture(t, "format1.sqlite")
	s, err := store.Open(path, nil)
	require.NoError(t, err)
	doc, rev, err := s.Get("bulbs")
	require.NoError(t, err)
	assert.Equal(t, 13, rev)
	l, err := lesson.Decode(doc)
	require.NoError(t, err)
	assert.Contains(t, string(doc), `"format":2`)
	assert.Equal(t, "162", board.Total(l.Scenes[0].Start.Models[0]).String())
	assert.Equal(t, "rack 2: 6 8", board.Print(l.Scenes[1].Start))
	assert.Equal(t, "6 + 8 = 14", l.Record[0].Text)
	assert.Len(t, l.Scenes[0].Ink, 1)
	gone, err := s.List(true)
	require.NoError(t, err)
	assert.Len(t, gone, 1)
	rev, err = s.Save("bulbs", store.Save{Operation: "op1", Base: 1, Edits: place("1 one")})
	require.NoError(t, err, "a save that the version before made is known again")
	assert.Equal(t, 2, rev)
	_, err = s.Save("bulbs", store.Save{Operation: "new", Base: 13, Edits: place("1 one")})
	require.NoError(t, err)
	require.NoError(t, s.Close())

	kept, err := filepath.Glob(path + ".before-*")
	require.NoError(t, err)
	require.Len(t, kept, 1, "the file was copied before it was changed")
	st, err := store.Check(kept[0])
	require.NoError(t, err)
	assert.Equal(t, int64(1), st.Lessons)

	fresh := filepath.Join(t.TempDir(), "fresh.db")
	s, err = store.Open(fresh, nil)
	require.NoError(t, err)
	require.NoError(t, s.Close())
	assert.Equal(t, tables(t, fresh), tables(t, path), "a new database looks like one that was brought up to date")
	info, err := os.Stat(path)
	require.NoError(t, err)
	assert.Equal(t, os.FileMode(0o600), info.Mode().Perm(), "and it is its owner's alone")
}

// A migration that was killed while the file was being copied starts again.
func TestAHalfMadeCopyDoesNotLockAnyoneOut(t *testing.T) {
	path := fixture(t, "format1.sqlite")
	before := path + ".before-2026-11-26-operations-of-lessons"
	require.NoError(t, os.WriteFile(before, []byte("half a file"), 0o600))
	s, err := store.Open(path, nil)
	require.NoError(t, err)
	require.NoError(t, s.Close())
	_, err = store.Check(before)
	require.NoError(t, err, "the copy was made anew")
}

func TestOneServerHasADatabase(t *testing.T) {
	_, path := open(t)
	_, err := store.Open(path, nil)
	require.ErrorContains(t, err, "another Unit Bloom has the database")
	_, _, err = store.PutBack(path, path)
	require.ErrorContains(t, err, "another Unit Bloom has the database")
}

func TestANewerDatabaseIsNotOpened(t *testing.T) {
	s, path := open(t)
	require.NoError(t, s.Close())
	db, err := sql.Open("sqlite", path)
	require.NoError(t, err)
	_, err = db.Exec("INSERT INTO migrations (id) VALUES ('2031-01-01-sound')")
	require.NoError(t, err)
	require.NoError(t, db.Close())
	_, err = store.Open(path, nil)
	require.ErrorIs(t, err, store.ErrNewer)
	assert.ErrorContains(t, err, "Start the newer Unit Bloom")
	_, err = store.Backup(path, path+".copy")
	require.ErrorIs(t, err, store.ErrNewer)
}

func TestWhatIsNoDatabaseIsSaidSo(t *testing.T) {
	dir := t.TempDir()
	_, err := store.Open(dir, nil)
	require.ErrorContains(t, err, "is a folder")
	text := filepath.Join(dir, "notes.txt")
	require.NoError(t, os.WriteFile(text, []byte(strings.Repeat("these are my notes\n", 99)), 0o600))
	_, err = store.Open(text, nil)
	require.ErrorContains(t, err, "is not a database of Unit Bloom")
	raw, err := os.ReadFile(text)
	require.NoError(t, err)
	assert.Equal(t, strings.Repeat("these are my notes\n", 99), string(raw))
	_, err = store.Check(filepath.Join(dir, "nothing.db"))
	require.ErrorContains(t, err, "there is no database at")
	_, err = store.Backup(text, filepath.Join(dir, "b.db"))
	require.ErrorContains(t, err, "is not a database of Unit Bloom")
}

func TestDamageIsSeen(t *testing.T) {
	s, path := open(t)
	for i := range 300 {
		_, err := s.Create("", sample(t, fmt.Sprint("lesson", i)))
		require.NoError(t, err)
	}
	require.NoError(t, s.Close())
	raw, err := os.ReadFile(path)
	require.NoError(t, err)
	for at := 8192; at < len(raw)/2; at += 1500 {
		copy(raw[at:], "xxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxx")
	}
	require.NoError(t, os.WriteFile(path, raw, 0o600))
	_, err = store.Open(path, nil)
	require.ErrorIs(t, err, store.ErrDamaged)
	assert.ErrorContains(t, err, "unitbloom restore FILE")
	_, err = store.Check(path)
	require.ErrorIs(t, err, store.ErrDamaged)
	_, err = store.Backup(path, path+".copy")
	require.Error(t, err, "no backup is made of it")
	_, err = os.Stat(path + ".copy")
	assert.ErrorIs(t, err, os.ErrNotExist)
}

func TestABackupIsPutBackAndTheOldOneKept(t *testing.T) {
	s, path := open(t)
	_, err := s.Create("", sample(t, "x"))
	require.NoError(t, err)
	backup := filepath.Join(t.TempDir(), "monday.db")
	_, err = s.Backup(backup)
	require.NoError(t, err)
	_, err = s.Save("x", store.Save{Operation: "later", Base: 1, Edits: place("1 ten")})
	require.NoError(t, err)
	// Killed: the file and its -wal lie as the process left them.
	killed := filepath.Join(t.TempDir(), "killed.db")
	for _, part := range []string{"", "-wal", "-shm"} {
		raw, err := os.ReadFile(path + part)
		require.NoError(t, err)
		require.NoError(t, os.WriteFile(killed+part, raw, 0o600))
	}
	b, aside, err := store.PutBack(backup, killed)
	require.NoError(t, err)
	assert.Equal(t, int64(1), b.Lessons)
	back, err := store.Open(killed, nil)
	require.NoError(t, err)
	assert.Equal(t, "153", total(t, back, "x"), "the wal of the old one undoes nothing")
	require.NoError(t, back.Close())
	old, err := store.Open(aside, nil)
	require.NoError(t, err)
	assert.Equal(t, "163", total(t, old, "x"), "nothing of it is lost")
	require.NoError(t, old.Close())

	_, _, err = store.PutBack(killed+"-no", killed)
	require.Error(t, err)
	half := filepath.Join(t.TempDir(), "half.db")
	raw, err := os.ReadFile(backup)
	require.NoError(t, err)
	require.NoError(t, os.WriteFile(half, raw[:len(raw)/2], 0o600))
	_, _, err = store.PutBack(half, killed)
	require.ErrorContains(t, err, "is not put back")
	require.ErrorContains(t, err, "Take an earlier one")
	require.NotContains(t, err.Error(), "--data", "the backup is no database of a server")
	_, _, err = store.PutBack(filepath.Join(t.TempDir(), "none.db"), killed)
	require.ErrorContains(t, err, "there is no such file")
	_, err = store.Backup(killed, filepath.Join(t.TempDir(), "shelf", "b.db"))
	require.ErrorContains(t, err, "there is no folder")
	require.ErrorContains(t, err, "Make it, or name another file")
	letter := filepath.Join(t.TempDir(), "letter.txt")
	require.NoError(t, os.WriteFile(letter, []byte(strings.Repeat("Dear parents, ", 400)), 0o600))
	_, _, err = store.PutBack(letter, killed)
	require.ErrorContains(t, err, "Name a file that `unitbloom backup` wrote")
	again, err := store.Open(killed, nil)
	require.NoError(t, err)
	assert.Equal(t, "153", total(t, again, "x"), "a bad backup changes nothing")
	require.NoError(t, again.Close())
}

// From the moment that the new file has its waiting name, the restore is certain.
func TestARestoreThatWasKilledIsFinished(t *testing.T) {
	s, path := open(t)
	_, err := s.Create("", sample(t, "x"))
	require.NoError(t, err)
	_, err = s.Backup(path + "-restoring")
	require.NoError(t, err)
	_, err = s.Save("x", store.Save{Operation: "later", Base: 1, Edits: place("1 ten")})
	require.NoError(t, err)
	require.NoError(t, s.Close())
	again, err := store.Open(path, nil)
	require.NoError(t, err)
	assert.Equal(t, "153", total(t, again, "x"))
	require.NoError(t, again.Close())
}

func TestCheckTellsWhatThereIs(t *testing.T) {
	s, path := open(t)
	for _, id := range []string{"x", "y", "z"} {
		_, err := s.Create("", sample(t, id))
		require.NoError(t, err)
	}
	require.NoError(t, s.Delete("z"))
	_, err := s.Save("x", store.Save{Operation: "one", Base: 1, Edits: place("1 one")})
	require.NoError(t, err)
	st, err := store.Check(path)
	require.NoError(t, err)
	assert.True(t, st.InUse)
	ahead, err := os.Stat(path + "-wal")
	require.NoError(t, err)
	assert.Greater(t, st.Bytes, ahead.Size(), "what is not yet in the file itself counts too")
	assert.Equal(t, []int64{2, 1, 1}, []int64{st.Lessons, st.Deleted, st.Operations})
	require.NoError(t, s.Close())
	db, err := sql.Open("sqlite", path)
	require.NoError(t, err)
	_, err = db.Exec("UPDATE documents SET doc = '{\"format\":2,\"title\":\"\"}' WHERE lesson_id = 'y'")
	require.NoError(t, err)
	require.NoError(t, db.Close())
	st, err = store.Check(path)
	require.NoError(t, err)
	assert.False(t, st.InUse)
	assert.Equal(t, []string{"y: title: a lesson needs a title of at most 200 letters"}, st.Unreadable)
}

// An edit of the time before boards were held to their range does not take the whole
// lesson with it.
func TestAnEditThatNoLongerFitsIsLeftOut(t *testing.T) {
	s, path := open(t)
	l := sample(t, "x")
	var err error
	l.Scenes[0].Start, err = board.Parse("discs 9m")
	require.NoError(t, err)
	_, err = s.Create("", l)
	require.NoError(t, err)
	for rev, amount := range []string{"1 one", "2 ones"} {
		_, err = s.Save("x", store.Save{Operation: amount, Base: rev + 1, Edits: place(amount)})
		require.NoError(t, err)
	}
	require.NoError(t, s.Close())
	db, err := sql.Open("sqlite", path)
	require.NoError(t, err)
	bad, err := json.Marshal(place("9 millions"))
	require.NoError(t, err)
	_, err = db.Exec("UPDATE operations SET format = 1, edits = ? WHERE id = '1 one'", bad)
	require.NoError(t, err)
	require.NoError(t, db.Close())
	again, err := store.Open(path, nil)
	require.NoError(t, err)
	defer again.Close()
	assert.Equal(t, "9000002", total(t, again, "x"))
}

// docs/store.md names every table, column and migration; every database that was
// written before a migration still opens.
func TestThePageAboutTheStoreIsTrue(t *testing.T) {
	page, err := os.ReadFile("../../docs/store.md")
	require.NoError(t, err)
	fixtures, err := filepath.Glob("../../testdata/store/*.sqlite")
	require.NoError(t, err)
	require.NotEmpty(t, fixtures)
	for _, name := range fixtures {
		path := fixture(t, filepath.Base(name))
		s, err := store.Open(path, nil)
		require.NoError(t, err, name)
		require.NoError(t, s.Close())
		db, err := sql.Open("sqlite", path)
		require.NoError(t, err)
		for _, query := range []string{
			"SELECT id FROM migrations WHERE id <> 'SCHEMA_INIT'",
			"SELECT name FROM sqlite_schema WHERE type = 'table'",
			"SELECT c.name FROM sqlite_schema s, pragma_table_info(s.name) c WHERE s.type = 'table'",
		} {
			rows, err := db.Query(query)
			require.NoError(t, err)
			for rows.Next() {
				var word string
				require.NoError(t, rows.Scan(&word))
				assert.Contains(t, string(page), "`"+word+"`")
			}
			require.NoError(t, rows.Err())
			require.NoError(t, rows.Close())
		}
		require.NoError(t, db.Close())
	}
}
