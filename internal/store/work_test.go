package store_test

import (
	"path/filepath"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/task"
	"unitbloom/internal/store"
)

// works are those that keep the contract, each empty but for a class "c" with the child "p". The clock
// is theirs to read.
func works(t *testing.T, now func() time.Time) map[string]store.Work {
	path := filepath.Join(t.TempDir(), "work.db")
	db, err := store.Open(path, nil)
	require.NoError(t, err)
	t.Cleanup(func() { _ = db.Close() })
	db.SetClock(now)
	_, err = db.MakeClass("", "c", "Bulbs", []string{"Mirren"})
	require.NoError(t, err)
	return map[string]store.Work{"a file": db}
}

// The contract of Work: what is handed in is kept once and for good, in the order in which it came, and
// goes with its set.
func TestWorkIsKept(t *testing.T) {
	now := time.Date(2026, 11, 27, 9, 0, 0, 0, time.UTC)
	for name, w := range works(t, func() time.Time { return now }) {
		t.Run(name, func(t *testing.T) {
			_, err := w.MakeSet(store.Set{ID: "none", ClassID: "another class"})
			require.ErrorIs(t, err, store.ErrNoClass)
			_, err = w.Set("s")
			require.ErrorIs(t, err, store.ErrNoSet)
			build := task.Task{Kind: "build", About: []string{"54"}}
			made, err := w.MakeSet(store.Set{ID: "s", ClassID: "c", Title: "Show it", Tasks: []task.Task{build}})
			require.NoError(t, err)
			assert.Equal(t, now, made.CreatedAt)
			now = now.Add(time.Minute)
			_, err = w.MakeSet(store.Set{ID: "later", ClassID: "c"})
			require.NoError(t, err)
			sets, err := w.Sets("c")
			require.NoError(t, err)
			require.Len(t, sets, 2)
			assert.Equal(t, "later", sets[0].ID, "the newest first")
			tasks, err := w.TasksFor(made, "p")
			require.NoError(t, err)
			assert.Equal(t, []task.Task{build}, tasks)

			trail := []task.Laid{{Blank: "board", Board: "blocks 5t"}, {Blank: "board", Board: "blocks 5t 4o"}}
			first := store.Attempt{ID: "a1", SetID: "s", PupilID: "p", WithID: "q", Digest: "one", Trail: trail,
				Answer: task.Answer{"board": "blocks 5t 4o"}, Right: true}
			kept, err := w.HandIn(first)
			require.NoError(t, err)
			assert.Equal(t, now, kept.HandedAt)
			assert.False(t, kept.Late)
			now = now.Add(time.Minute)
			again, err := w.HandIn(first)
			require.NoError(t, err, "the same sent again is no fault")
			assert.True(t, kept.HandedAt.Equal(again.HandedAt), "and was kept when it first came")
			other := first
			other.Digest = "two"
			_, err = w.HandIn(other)
			require.ErrorIs(t, err, store.ErrOther, "another under its name is refused")
			_, err = w.HandIn(store.Attempt{ID: "a0", SetID: "no set", PupilID: "p"})
			require.ErrorIs(t, err, store.ErrNoSet)
			laid, err := w.TrailOf("a1")
			require.NoError(t, err)
			assert.Equal(t, trail, laid)

			ended, err := w.EndSet("s", true)
			require.NoError(t, err)
			assert.True(t, ended.EndedAt.Equal(now))
			turned, err := w.SetsTurning(now.Add(-time.Second), now)
			require.NoError(t, err)
			require.Len(t, turned, 1)
			assert.Equal(t, "s", turned[0].ID)
			_, err = w.HandIn(store.Attempt{ID: "a2", SetID: "s", PupilID: "p", Digest: "three"})
			require.NoError(t, err)
			all, err := w.Attempts("s")
			require.NoError(t, err)
			require.Len(t, all, 2)
			assert.Equal(t, []string{"a1", "a2"}, []string{all[0].ID, all[1].ID}, "in the order in which they came")
			assert.True(t, all[1].Late)
			assert.Nil(t, all[0].Trail, "a trail is read by itself")
			by, err := w.AttemptsBy("s", "q")
			require.NoError(t, err)
			require.Len(t, by, 1, "who shared the device handed in too")
			turnout, err := w.Turnout("c")
			require.NoError(t, err)
			assert.Equal(t, map[string]int{"s": 2}, turnout, "each once, however often, and who shared too")
			none, err := w.Turnout("another class")
			require.NoError(t, err)
			assert.Empty(t, none)
			laid, err = w.TrailOf("a2")
			require.NoError(t, err)
			assert.Empty(t, laid)

			require.NoError(t, w.GiveBack("a2", "Count the tens."))
			back, err := w.Attempt("a2")
			require.NoError(t, err)
			assert.Equal(t, "Count the tens.", back.Back)
			require.ErrorIs(t, w.GiveBack("a3", "?"), store.ErrNoAttempt)

			running, err := w.EndSet("s", false)
			require.NoError(t, err)
			assert.True(t, running.Runs(now))
			require.NoError(t, w.DeleteSet("s"))
			require.ErrorIs(t, w.DeleteSet("s"), store.ErrNoSet)
			_, err = w.Attempt("a1")
			require.ErrorIs(t, err, store.ErrNoAttempt, "it goes with its set")
			_, err = w.TrailOf("a1")
			require.ErrorIs(t, err, store.ErrNoAttempt)
		})
	}
}
