package store_test

import (
	"path/filepath"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/task"
	"unitbloom/internal/people"
	"unitbloom/internal/store"
)

// What children did goes when it is older than the school keeps it; a set goes when it has
// ended as long ago. Where no time is set, all stays.
func TestWorkIsKeptAsLongAsTheSchoolSays(t *testing.T) {
	s, err := store.Open(filepath.Join(t.TempDir(), "a.db"), nil)
	require.NoError(t, err)
	defer s.Close()
	now := time.Date(2026, 11, 27, 9, 0, 0, 0, time.UTC)
	s.SetClock(func() time.Time { return now })
	class, err := s.MakeClass("", "c", "Bulbs", []string{"Mirren"})
	require.NoError(t, err)
	pupils, err := s.Pupils(class.ID)
	require.NoError(t, err)
	hand := func(set string) {
		_, err := s.HandIn(store.Attempt{ID: people.NewToken(), SetID: set, PupilID: pupils[0].ID,
			Answer: task.Answer{"board": "1"}})
		require.NoError(t, err)
	}
	for _, id := range []string{"old", "running"} {
		_, err := s.MakeSet(store.Set{ID: id, ClassID: class.ID})
		require.NoError(t, err)
		hand(id)
	}
	_, err = s.EndSet("old", true)
	require.NoError(t, err)
	now = now.AddDate(0, 0, 40)
	hand("running")
	kept := func() (sets, attempts int) {
		list, err := s.Sets(class.ID)
		require.NoError(t, err)
		for _, set := range list {
			of, err := s.Attempts(set.ID)
			require.NoError(t, err)
			attempts += len(of)
		}
		return len(list), attempts
	}
	require.NoError(t, s.SweepWork())
	sets, attempts := kept()
	assert.Equal(t, []int{2, 3}, []int{sets, attempts}, "until it is deleted")
	require.NoError(t, s.SetSchool(store.School{KeepWork: 31}))
	require.NoError(t, s.SweepWork())
	sets, attempts = kept()
	assert.Equal(t, []int{1, 1}, []int{sets, attempts})
	pupils, err = s.Pupils(class.ID)
	require.NoError(t, err)
	assert.Len(t, pupils, 1, "the class stays")
}

// Tiles of a class have pictures that are told apart, as long as there are enough.
func TestTilesAreToldApart(t *testing.T) {
	s, err := store.Open(filepath.Join(t.TempDir(), "a.db"), nil)
	require.NoError(t, err)
	defer s.Close()
	var names []string
	for i := range store.Signs {
		names = append(names, string(rune('A'+i%26))+string(rune('a'+i/26)))
	}
	class, err := s.MakeClass("", "c", "Bulbs", names[:20])
	require.NoError(t, err)
	require.NoError(t, s.AddPupils(class.ID, names))
	pupils, err := s.Pupils(class.ID)
	require.NoError(t, err)
	require.Len(t, pupils, store.Signs, "a name that is there already is left out")
	seen := map[int]bool{}
	for _, p := range pupils {
		assert.False(t, seen[p.Sign], "%d twice", p.Sign)
		seen[p.Sign] = true
	}
	require.NoError(t, s.RenamePupil(class.ID, pupils[0].ID, "Zoe"))
	assert.ErrorIs(t, s.RenamePupil(class.ID, pupils[1].ID, "zoe"), store.ErrNamed)
	for i := range store.MostPupils {
		names = append(names, "n"+string(rune('a'+i%26))+string(rune('a'+i/26)))
	}
	assert.ErrorIs(t, s.AddPupils(class.ID, names), store.ErrFullClass)
	again, err := s.Pupils(class.ID)
	require.NoError(t, err)
	assert.Len(t, again, store.Signs, "all or none")
}
