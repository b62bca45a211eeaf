package model_test

import (
	"encoding/json"
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
)

// What holds at the edge of a limit, and no longer one beyond it.

func decodeBoard(raw string) error {
	var b board.Board
	return json.Unmarshal([]byte(raw), &b)
}

func TestAFullBoardIsReadAndAFullerOneIsNot(t *testing.T) {
	of := func(first, second int) string {
		return fmt.Sprintf(`{"models":[{"kind":"blocks","pieces":[{"place":"ones","count":%d}]},`+
			`{"kind":"blocks","pieces":[{"place":"ones","count":%d}]}]}`, first, second)
	}
	require.NoError(t, decodeBoard(of(board.MaxPieces-5, 5)))
	require.ErrorContains(t, decodeBoard(of(board.MaxPieces-5, 6)), "3001 pieces are too many")
}

func TestAPieceMayStandInTheLastGroupFrameAndPart(t *testing.T) {
	of := func(field string, n int) string {
		return fmt.Sprintf(`{"models":[{"kind":"counters","frames":[%s],"groups":12,`+
			`"pieces":[{"place":"ones","count":1,%q:%d,"cells":[0]}]}]}`, frames(12), field, n)
	}
	require.NoError(t, decodeBoard(of("frame", 12)))
	require.Error(t, decodeBoard(of("frame", 13)))
	require.Error(t, decodeBoard(of("frame", -1)))
}

func frames(n int) string {
	out := ""
	for range n {
		out += `,{"rows":2,"columns":5}`
	}
	return out[1:]
}

func TestCoversLieWithinReach(t *testing.T) {
	at := func(x, y int) string {
		return fmt.Sprintf(`{"kind":"cover","at":{"x":%d,"y":%d,"w":10,"h":10}}`, x, y)
	}
	for _, edge := range []string{at(20000, 0), at(-20000, 0), at(0, 20000), at(0, -20000)} {
		_, err := play(t, "blocks 3o", edge)
		assert.NoError(t, err, edge)
	}
	for _, beyond := range []string{at(20001, 0), at(-20001, 0), at(0, 20001), at(0, -20001)} {
		_, err := play(t, "blocks 3o", beyond)
		assert.Error(t, err, beyond)
	}
}

func TestACoverThatIsNotThereIsNotMoved(t *testing.T) {
	_, err := play(t, "blocks 3o", `{"kind":"cover"}`, `{"kind":"moveCover","index":1,"at":{"x":1,"y":1,"w":9,"h":9}}`)
	require.ErrorContains(t, err, "2")
}

func TestOnlyLinkedModelsFollow(t *testing.T) {
	b, err := play(t, "blocks 3o | discs 3o | blocks 7o", `{"kind":"link","with":1}`, `{"kind":"place","amount":"2 ones"}`)
	require.NoError(t, err)
	assert.Equal(t, "blocks 5o | discs 5o | blocks 7o", board.Print(b))
}

func TestASlotThatIsNotThereIsRefused(t *testing.T) {
	_, err := play(t, "blocks 3o", `{"kind":"take","pieces":[{"place":"ones","slots":[4,1]}]}`)
	require.ErrorContains(t, err, "Only 3 ones here, and 5 are asked for.")
}

func TestGroupsOnAMatLieApart(t *testing.T) {
	b, err := play(t, "blocks 2h 9t 14o", `{"kind":"view","view":"mat"}`)
	require.NoError(t, err)
	end := map[string]int32{}
	begin := map[string]int32{}
	for _, p := range b.Lay(0).Pieces {
		if x, ok := begin[p.Look]; !ok || p.X < x {
			begin[p.Look] = p.X
		}
		end[p.Look] = max(end[p.Look], p.X+p.W)
	}
	require.Len(t, end, 3)
	assert.Greater(t, begin["ten"], end["hundred"])
	assert.Greater(t, begin["one"], end["ten"])
}
