package method_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
)

// told is all that an example says, asks and answers, a line each.
func toldOf(t *testing.T, r method.Request) string {
	t.Helper()
	e, err := method.Make(r)
	require.NoError(t, err, r.Args)
	var lines []string
	for _, s := range e.Plain().Steps {
		lines = append(lines, s.Say, s.Ask, s.Answer)
	}
	return strings.Join(lines, "\n")
}

func asked(id string, args ...string) method.Request {
	return method.Request{Method: id, Args: args}
}

// A fact that is a known one is not parted into others; any other is parted at a known one.
func TestKnownFactsAreNotParted(t *testing.T) {
	shades := func(args ...string) (n int) {
		e, err := method.Make(asked("array", args...))
		require.NoError(t, err)
		for _, s := range e.Scene.Steps {
			for _, mv := range s.Moves {
				if mv.Kind == "split" {
					n++
				}
			}
		}
		return n
	}
	for _, known := range [][]string{{"7", "1"}, {"7", "2"}, {"7", "5"}, {"7", "10"}, {"1", "7"}, {"2", "7"}, {"5", "7"},
		{"10", "7"}} {
		assert.Zero(t, shades(known...), known)
	}
	for _, parted := range [][]string{{"7", "6"}, {"3", "4"}, {"12", "11"}} {
		assert.Positive(t, shades(parted...), parted)
	}
}

func TestADifferenceOfNothingIsNotExplained(t *testing.T) {
	way := map[string]string{"way": "difference", "ask": "every step"}
	of := func(in method.Nth, args ...string) string {
		return toldOf(t, method.Request{Method: "subtract-facts", Args: args, Options: way, InSet: in})
	}
	assert.NotContains(t, of(method.Nth{}, "5", "5"), "Why")
	assert.Contains(t, of(method.Nth{}, "8", "5"), "Why")
	assert.NotContains(t, of(method.Nth{N: 2, Of: 3}, "8", "5"), "Why", "the first of a set explains")
}

// A product is sized up by its largest place, rounded as it is nearer.
func TestAProductIsSizedUpByTheNearerRoundNumber(t *testing.T) {
	assert.Contains(t, toldOf(t, asked("short-multiply", "187", "4")), "be more or less than 800?")
	assert.Contains(t, toldOf(t, asked("short-multiply", "137", "4")), "be more or less than 400?")
	assert.Contains(t, toldOf(t, asked("short-multiply", "150", "4")), "be more or less than 800?")
}

// Parts that stand apart are found in pieces that stand apart.
func TestAPartIsFoundInRowsThatAreNotNeighbours(t *testing.T) {
	b, err := board.Parse("rack 3: 3 4 2")
	require.NoError(t, err)
	way, err := method.TakeIn(b, 0, "5 and 4", nil)
	require.NoError(t, err)
	zone := map[board.PieceID]string{}
	for _, p := range b.Lay(0).Pieces {
		zone[p.ID] = p.Zone
	}
	rows := map[string]int{}
	for _, id := range way.Rings[0] {
		rows[zone[id]]++
	}
	assert.Equal(t, map[string]int{"row 1": 3, "row 3": 2}, rows)
}

func TestTimesOneIsNotSharedBackAgain(t *testing.T) {
	shared := func(by string) bool {
		e, err := method.Make(method.Request{Method: "unit-fact", Args: []string{"30", "×", by}, Model: "discs"})
		require.NoError(t, err)
		for _, s := range e.Scene.Steps {
			for _, mv := range s.Moves {
				if mv.Kind == "share" {
					return true
				}
			}
		}
		return false
	}
	assert.True(t, shared("4"))
	assert.False(t, shared("1"))
}

func TestTwentyOnesAreTwoTensAndNoneLeft(t *testing.T) {
	text := toldOf(t, asked("column-add", "7", "7", "6"))
	assert.Contains(t, text, "2 times, and none are left over. That is 20 ones.")
	assert.Contains(t, toldOf(t, asked("column-add", "7", "7", "8")), "2 times, and 2 left over. That is 22 ones.")
	assert.Contains(t, toldOf(t, asked("column-add", "7", "7", "5")), "Once, and 9 left over. That is 19 ones.")
	assert.Contains(t, toldOf(t, asked("column-add", "3", "3", "4")), "Once, and none are left over. That is 10 ones.")
}

// What is hidden of a snapped train is the part that is asked for, and no more.
func TestWhatIsHiddenIsThePartThatIsAskedFor(t *testing.T) {
	e, err := method.Make(asked("snap", "9", "5"))
	require.NoError(t, err)
	b := e.Scene.Start
	covers := 0
	for _, s := range e.Scene.Steps {
		b, err = board.ApplyAll(b, s.Moves)
		require.NoError(t, err)
		for _, c := range b.Covers {
			covers++
			assert.Equal(t, "train 2", c.Zone)
		}
	}
	assert.Positive(t, covers)
}

// A table says what its columns are, once and over all of them. A list of numbers needs no
// words, and the rows of several starts stand under their own.
func TestTablesSayWhatTheirColumnsAre(t *testing.T) {
	tables := 0
	for _, spec := range method.Specs() {
		e, err := method.Make(method.Request{Method: spec.ID, Args: spec.Sample})
		require.NoError(t, err)
		var rows []lesson.Write
		for _, step := range e.Scene.Steps {
			for _, w := range step.Write {
				if w.Kind == "row" {
					rows = append(rows, w)
				}
			}
		}
		if len(rows) == 0 || len(rows[0].Cells) == 1 || spec.ID == "array" {
			continue
		}
		tables++
		assert.Len(t, rows[0].Heads, len(rows[0].Cells), spec.ID)
		for _, w := range rows[1:] {
			assert.Empty(t, w.Heads, "%s: heads stand once", spec.ID)
		}
	}
	assert.GreaterOrEqual(t, tables, 6)
}
