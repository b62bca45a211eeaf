package door_test

import (
	"encoding/json"
	"maps"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/door"
)

// Before a class, the addends of a sum that is built by hand may lie beside one another; then
// they are half as high, and so may be twice as large.
func TestAFreeBoardIsArranged(t *testing.T) {
	d := openBoard(t, "blocks 0")
	d.call("apply", map[string]any{"move": map[string]any{"kind": "build", "amount": "25 + 17"}}, nil)
	ways := func() (a door.Arrangements) {
		d.call("arrangements", map[string]any{}, &a)
		return a
	}
	assert.Empty(t, ways().Ways, "on the bench it lies as for building")

	rows := onStage(d)
	list := ways().Ways
	require.Len(t, list, 1)
	assert.True(t, list[0].Across)

	var f struct{ Way *board.Way }
	d.call("arrange", map[string]any{"across": true}, &f)
	assert.Equal(t, &board.Way{Across: true}, f.Way)
	assert.NotEqual(t, rows, onStage(d))
	back := ways().Ways
	require.Len(t, back, 1)
	assert.False(t, back[0].Across)
	assert.Less(t, list[0].Models[0].H, back[0].Models[0].H*2/3)

	// A cover that lies where it was put hides what lies there: nothing moves under it.
	d.call("apply", map[string]any{"move": map[string]any{"kind": "cover", "zone": "ones",
		"at": map[string]any{"x": 0, "y": 0, "w": 40, "h": 40}}}, nil)
	assert.Empty(t, ways().Ways)
	d.call("apply", map[string]any{"move": map[string]any{"kind": "uncover"}}, nil)
	assert.NotEqual(t, rows, onStage(d), "it lies across again")
}

// onStage is the board as a class sees it.
func onStage(d desk) string {
	var f struct{ Board json.RawMessage }
	d.call("show", map[string]any{"scene": "a", "present": true}, &f)
	return string(f.Board)
}

// One number has nothing that could lie across: its pieces lie in the same places.
func TestOneNumberLiesAlikeInEveryWay(t *testing.T) {
	d := openBoard(t, "blocks 1h 4t 6o")
	before := onStage(d)
	d.call("arrange", map[string]any{"across": true}, nil)
	assert.JSONEq(t, before, onStage(d))
}

// Of two models those columns reach far enough for a larger picture that a step looks at, alone.
func TestOfTwoModelsTheColumnsThatAreLookedAtReach(t *testing.T) {
	d := openBoard(t, "blocks 0")
	reach := func(typed string) []string {
		d.call("addExample", map[string]any{"id": typed, "method": "compare", "typed": typed, "model": "blocks"}, nil)
		var f struct{ Extents []door.Extent }
		d.call("show", map[string]any{"scene": typed, "present": true}, &f)
		require.NotEmpty(t, f.Extents)
		require.Len(t, f.Extents[0].Models, 2)
		for _, m := range f.Extents[0].Models[1:] {
			assert.Equal(t, slices.Sorted(maps.Keys(f.Extents[0].Models[0].Reach)), slices.Sorted(maps.Keys(m.Reach)))
		}
		return slices.Sorted(maps.Keys(f.Extents[0].Models[0].Reach))
	}
	assert.Equal(t, []string{"hundreds", "tens"}, reach("408 and 480"))
	assert.Equal(t, []string{"hundreds", "ones"}, reach("407 and 409"))
}
