package lesson_test

import (
	"fmt"
	"os"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

func step(asks say.Kind, asked bool, moves ...board.Move) lesson.Step {
	s := lesson.Step{Say: say.Line{Own: "We look."}, Moves: moves, Asks: asks}
	if asked {
		s.Ask, s.Answer = say.Line{Own: "How many?"}, say.Line{Own: "2."}
	}
	return s
}

func moveOf(t *testing.T, text string) board.Move {
	t.Helper()
	var mv board.Move
	require.NoError(t, mv.UnmarshalJSON([]byte(text)))
	return mv
}

// The kind of a question says whether the pieces move before it or after.
func TestTheKindTellsTheOrder(t *testing.T) {
	add := moveOf(t, `{"kind":"place","amount":"1 one"}`)
	for _, c := range []struct {
		step   lesson.Step
		phases []lesson.Phase
		boards []string // at rest, in each phase
	}{
		{step(say.Predict, true, add), []lesson.Phase{lesson.Asked, lesson.Moved}, []string{"blocks 0", "blocks 0",
			"blocks 1o"}},
		{step(say.Decide, true, add), []lesson.Phase{lesson.Asked, lesson.Answered}, []string{"blocks 0", "blocks 0",
			"blocks 0"}},
		{step("", true, add), []lesson.Phase{lesson.Asked, lesson.Answered}, []string{"blocks 0", "blocks 0", "blocks 0"}},
		{step(say.Look, true, add), []lesson.Phase{lesson.Asked}, []string{"blocks 0", "blocks 1o"}},
		{step(say.Say, true, add), []lesson.Phase{lesson.Asked}, []string{"blocks 0", "blocks 1o"}},
		{step(say.Explain, true, add), []lesson.Phase{lesson.Asked}, []string{"blocks 0", "blocks 1o"}},
		{step(say.Check, true, add), []lesson.Phase{lesson.Asked}, []string{"blocks 0", "blocks 1o"}},
		{step(say.Predict, true), []lesson.Phase{lesson.Asked}, []string{"blocks 0", "blocks 0"}},
		{step("", false, add), nil, []string{"blocks 0"}},
	} {
		b, err := board.Parse("blocks 0")
		require.NoError(t, err)
		sc := lesson.Scene{Start: b, Steps: []lesson.Step{c.step}}
		assert.Equal(t, c.phases, c.step.Phases(), c.step.Asks)
		for i, p := range append([]lesson.Phase{lesson.Rest}, c.phases...) {
			assert.Equalf(t, c.boards[i], board.Print(sc.BoardAt(0, p)), "%s, %s", c.step.Asks, p)
		}
		made, _ := sc.At(1)
		assert.Equal(t, board.Print(made), board.Print(sc.BoardAt(1, lesson.Rest)))
	}
}

func TestForwardAndBackGoTheSameWay(t *testing.T) {
	add := moveOf(t, `{"kind":"place","amount":"1 one"}`)
	b, err := board.Parse("blocks 0")
	require.NoError(t, err)
	l := lesson.Lesson{Scenes: []lesson.Scene{
		{ID: "a", Start: b, Steps: []lesson.Step{step(say.Predict, true, add), step("", false, add),
			step(say.Look, true, add)}},
		{ID: "free", Start: b},
		{ID: "b", Start: b, Steps: []lesson.Step{step(say.Decide, true, add)}},
	}}
	want := []lesson.Position{
		{"a", 0, ""}, {"a", 0, "asked"}, {"a", 0, "moved"}, {"a", 1, ""}, {"a", 2, ""}, {"a", 2, "asked"}, {"a", 3, ""},
		{"free", 0, ""}, {"b", 0, ""}, {"b", 0, "asked"}, {"b", 0, "answered"}, {"b", 1, ""},
	}
	at := want[0]
	assert.Equal(t, at, l.Before(at), "nothing is before the beginning")
	for _, next := range want[1:] {
		assert.Equal(t, next, l.Next(at))
		assert.Equal(t, at, l.Before(next))
		at = next
	}
	assert.Equal(t, at, l.Next(at), "nothing is after the end")
	nowhere := lesson.Position{Scene: "gone", Step: 1}
	assert.Equal(t, nowhere, l.Next(nowhere))
	assert.Equal(t, nowhere, l.Before(nowhere))
}

// A lesson kept before questions had kinds: those of the catalogue tell theirs, a
// teacher's own keeps its order, which is asked, answered, done.
func TestLessonsFromBeforeKinds(t *testing.T) {
	raw, err := os.ReadFile("../../testdata/format/v2.0/worked.json")
	require.NoError(t, err)
	l := read(t, string(raw))
	assert.Equal(t, lesson.Minor, l.Minor)
	assert.Empty(t, l.Faults())
	kinds := map[say.Kind]int{}
	for _, sc := range l.Scenes {
		for i, s := range sc.Steps {
			if s.Ask.Message.ID != "" {
				require.NotEmptyf(t, s.Asks, "%s, step %d: %s", sc.ID, i+1, s.Ask.Message.ID)
			}
			kinds[s.Asks]++
		}
		for i, o := range sc.Replay() {
			require.NoErrorf(t, o.Err, "%s, step %d", sc.ID, i+1)
		}
	}
	for _, k := range say.Kinds() {
		assert.Positive(t, kinds[k], k)
	}
	sc, _ := l.Scene("made0")
	assert.Equal(t, []lesson.Phase{lesson.Asked, lesson.Answered}, sc.Steps[1].Phases())
	assert.Equal(t, text(t, l), text(t, read(t, text(t, l))))
}

// A lesson kept by any minor before this one is whole: it has no faults, and its steps fit.
func TestFrozenLessonsOfEveryMinorOpen(t *testing.T) {
	for minor := range lesson.Minor {
		paths, err := filepath.Glob(fmt.Sprintf("../../testdata/format/v2.%d/*.json", minor))
		require.NoError(t, err)
		require.NotEmpty(t, paths, "no file of minor %d is frozen", minor)
		for _, path := range paths {
			raw, err := os.ReadFile(path)
			require.NoError(t, err)
			l := read(t, string(raw))
			assert.Equal(t, lesson.Minor, l.Minor)
			assert.Empty(t, l.Faults(), path)
			for _, sc := range l.Scenes {
				for i, o := range sc.Replay() {
					require.NoErrorf(t, o.Err, "%s: %s, step %d", path, sc.ID, i+1)
				}
			}
		}
	}
}
