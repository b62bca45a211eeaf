package store_test

import (
	"database/sql"
	"errors"
	"path/filepath"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/internal/people"
	"unitbloom/internal/store"
)

// account makes a teacher by a link.
func account(t *testing.T, s *store.Store, name string, lead bool) store.Teacher {
	token, err := s.MakeLink(store.Link{Lead: lead})
	require.NoError(t, err)
	made, err := s.UseLink(token, name, "hash of "+name)
	require.NoError(t, err)
	return made
}

func TestTheFirstTeacherTakesWhatIsThere(t *testing.T) {
	s, err := store.Open(fixture(t, "before-teachers.sqlite"), nil)
	require.NoError(t, err)
	defer s.Close()
	before, err := s.List(false)
	require.NoError(t, err)
	require.NotEmpty(t, before)
	spare, err := s.MakeLink(store.Link{Lead: true})
	require.NoError(t, err)
	alder := account(t, s, "Alder", false)
	assert.True(t, alder.Lead, "somebody has to be able to invite others")
	_, err = s.UseLink(spare, "Mallow", "hash")
	require.ErrorIs(t, err, store.ErrNoLink, "other links to the first account are gone")
	birch := account(t, s, "Birch", false)
	assert.False(t, birch.Lead)
	mine, err := s.Shelf(store.Query{Teacher: alder.ID})
	require.NoError(t, err)
	assert.Equal(t, len(before), mine.Total)
	none, err := s.Shelf(store.Query{Teacher: birch.ID})
	require.NoError(t, err)
	assert.Zero(t, none.Total)
	classes, err := s.Classes(birch.ID)
	require.NoError(t, err)
	assert.Empty(t, classes)
	classes, err = s.Classes(alder.ID)
	require.NoError(t, err)
	assert.Len(t, classes, 1)
	// What is made while nobody signs in, as on a server taken home, is hers later.
	_, err = s.Create("", sample(t, "at-home-1"))
	require.NoError(t, err)
	require.NoError(t, s.TakeOver())
	mine, err = s.Shelf(store.Query{Teacher: alder.ID})
	require.NoError(t, err)
	assert.Equal(t, len(before)+1, mine.Total)
}

func TestALinkLastsAWeek(t *testing.T) {
	s, _ := open(t)
	now := time.Date(2026, 11, 27, 9, 0, 0, 0, time.UTC)
	s.SetClock(func() time.Time { return now })
	account(t, s, "Alder", true)
	token, err := s.MakeLink(store.Link{})
	require.NoError(t, err)
	now = now.Add(store.LinkLife - time.Second)
	_, _, err = s.LinkOf(token)
	require.NoError(t, err)
	now = now.Add(2 * time.Second)
	_, _, err = s.LinkOf(token)
	require.ErrorIs(t, err, store.ErrNoLink)
	_, err = s.UseLink(token, "Birch", "hash")
	require.ErrorIs(t, err, store.ErrNoLink)
}

// A session from before they had ids goes on, and can be seen and ended.
func TestASessionFromBeforeGoesOn(t *testing.T) {
	path := fixture(t, "before-sessions.sqlite")
	// It was used just now, whenever that is.
	db, err := sql.Open("sqlite", path)
	require.NoError(t, err)
	now := time.Now().UTC().Format("2006-01-02 15:04:05.999999999-07:00")
	_, err = db.Exec("UPDATE sessions SET seen_at = ?, created_at = ?", now, now)
	require.NoError(t, errors.Join(err, db.Close()))
	s, err := store.Open(path, nil)
	require.NoError(t, err)
	const token = "a5c1bc72e0d378e822488b4fd3f2f5b1"
	session, who, err := s.SessionOf(token)
	require.NoError(t, err)
	assert.Equal(t, "Alder", who.Name)
	assert.Len(t, session.ID, 16)
	list, err := s.Sessions(who.ID)
	require.NoError(t, err)
	require.Len(t, list, 1)
	require.ErrorIs(t, s.EndOne("somebody else", session.ID), store.ErrNoSession)
	require.NoError(t, s.EndOne(who.ID, session.ID))
	_, _, err = s.SessionOf(token)
	require.ErrorIs(t, err, store.ErrNoSession)
}

// A link for a lost passphrase is made beside a server that runs.
func TestALinkIsMadeBesideTheServer(t *testing.T) {
	s, path := open(t)
	alder := account(t, s, "Alder", true)
	session, err := s.Begin(alder.ID, "")
	require.NoError(t, err)
	token, err := store.MakeLinkAt(path, "ALDER", false)
	require.NoError(t, err)
	_, who, err := s.LinkOf(token)
	require.NoError(t, err)
	assert.Equal(t, alder.ID, who.ID)
	_, err = s.UseLink(token, "", "another hash")
	require.NoError(t, err)
	_, _, err = s.SessionOf(session)
	require.ErrorIs(t, err, store.ErrNoSession)
	_, err = store.MakeLinkAt(path, "Nobody", false)
	require.ErrorContains(t, err, "no such teacher")
	_, err = store.MakeLinkAt(filepath.Join(t.TempDir(), "none.db"), "", true)
	require.ErrorContains(t, err, "there is no database")
}

// What was deleted of children stays deleted, though a backup from before is put back; a lesson,
// which can be brought back, comes with it.
func TestARestoreDeletesAgain(t *testing.T) {
	s, path := open(t)
	_, err := s.Create("", sample(t, "x"))
	require.NoError(t, err)
	gone, err := s.MakeClass("", "gone", "Bulbs", []string{"Mirren"})
	require.NoError(t, err)
	stays, err := s.MakeClass("", "stays", "Leaves", []string{"Jorn", "Evi"})
	require.NoError(t, err)
	pupils, err := s.Pupils(stays.ID)
	require.NoError(t, err)
	for _, id := range []string{"set-1", "set-2"} {
		_, err = s.MakeSet(store.Set{ID: id, ClassID: stays.ID})
		require.NoError(t, err)
	}
	backup := path + "-backup"
	_, err = s.Backup(backup)
	require.NoError(t, err)
	require.NoError(t, s.DeleteClass(gone.ID))
	require.NoError(t, s.DeletePupil(stays.ID, pupils[0].ID))
	require.NoError(t, s.DeleteSet("set-1"))
	require.NoError(t, s.Delete("x"))
	for _, d := range []store.Deed{{Did: store.Deleted, Of: store.OfClass, ID: gone.ID},
		{Did: store.Deleted, Of: store.OfPupil,
			ID: pupils[0].ID}, {Did: store.Deleted, Of: store.OfSet, ID: "set-1"}, {Did: store.Deleted, Of: "lesson", ID: "x"}} {
		require.NoError(t, s.Note(d))
	}
	require.NoError(t, s.Close())
	_, _, err = store.PutBack(backup, path)
	require.NoError(t, err)
	again, err := store.Open(path, nil)
	require.NoError(t, err)
	defer again.Close()
	classes, err := again.Classes("")
	require.NoError(t, err)
	require.Len(t, classes, 1)
	left, err := again.Pupils(stays.ID)
	require.NoError(t, err)
	require.Len(t, left, 1)
	assert.NotEqual(t, pupils[0].ID, left[0].ID)
	sets, err := again.Sets(stays.ID)
	require.NoError(t, err)
	require.Len(t, sets, 1)
	assert.Equal(t, "set-2", sets[0].ID)
	assert.True(t, again.Has("x"))
}

func TestDeedsAreToldForTwoYears(t *testing.T) {
	s, path := open(t)
	now := time.Now()
	s.SetClock(func() time.Time { return now.Add(-store.KeepDeeds - time.Hour) })
	require.NoError(t, s.Note(store.Deed{Did: "signed in", Teacher: "old"}))
	s.SetClock(func() time.Time { return now })
	require.NoError(t, s.Note(store.Deed{Did: "signed in", Teacher: "a"}))
	require.NoError(t, s.Note(store.Deed{Did: "signed out", Teacher: "a"}))
	require.NoError(t, s.Close())
	again, err := store.Open(path, nil)
	require.NoError(t, err)
	defer again.Close()
	deeds, err := again.Deeds(0)
	require.NoError(t, err)
	require.Len(t, deeds, 2)
	assert.Equal(t, "signed out", deeds[0].Did)
	deeds, err = again.Deeds(1)
	require.NoError(t, err)
	assert.Len(t, deeds, 1)
	none, err := store.Deeds(filepath.Join(t.TempDir(), people.NewToken()), 0)
	require.NoError(t, err)
	assert.Empty(t, none)
}
