package door_test

import (
	"encoding/json"
	"math/rand/v2"
	"slices"
	"strconv"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/door"
	"unitbloom/internal/proptest"
)

// boards are one of each model, with pieces enough for most of its verbs.
var boards = []string{
	"blocks 2h 14t 23o", "counters 2x5: 8 + 5", "counters 3 @ 4 4 3", "cubes 2T 5a4b 12", "discs 1th 3h 12t 4o 6.t",
	"rack 2: 6 8",
}

// idsOf are the pieces of the first model, as a host sees them.
func idsOf(t *testing.T, d desk) []board.PieceID {
	var frame struct {
		Board struct {
			Models []struct{ Pieces []json.RawMessage }
		}
	}
	d.call("show", map[string]any{"scene": "a"}, &frame)
	var ids []board.PieceID
	for _, raw := range frame.Board.Models[0].Pieces {
		var fields []json.RawMessage
		require.NoError(t, json.Unmarshal(raw, &fields))
		id, err := strconv.Atoi(string(fields[0]))
		require.NoError(t, err)
		ids = append(ids, board.PieceID(id))
	}
	return ids
}

func some(r *rand.Rand, ids []board.PieceID) []board.PieceID {
	n := 1 + r.IntN(min(len(ids), 12))
	shuffled := slices.Clone(ids)
	r.Shuffle(len(shuffled), func(i, j int) { shuffled[i], shuffled[j] = shuffled[j], shuffled[i] })
	return shuffled[:n]
}

func TestEveryVerbDoesWhatItSays(t *testing.T) {
	r := proptest.Random(21)
	for _, notation := range boards {
		tried := map[string]bool{}
		for range min(proptest.Cases(), 60) {
			d := openBoard(t, notation)
			ids := some(r, idsOf(t, d))
			var sel door.Selection
			d.call("selection", map[string]any{"model": 0, "ids": ids}, &sel)
			before := d.document()
			for _, v := range sel.Verbs {
				require.NotEmpty(t, v.Label, notation)
				why := d.try("apply", map[string]any{"move": v.Move}, nil)
				if !v.OK {
					require.Equal(t, v.Why, why, "%s: %s says why it cannot be", notation, v.Label)
					continue
				}
				require.Empty(t, why, "%s: %s was offered", notation, v.Label)
				tried[v.Move.Kind] = true
				d.call("undo", map[string]any{}, nil)
				require.Equal(t, asText(t, before), asText(t, d.document()), "%s: %s is undone whole", notation, v.Label)
			}
		}
		if notation != "rack 2: 6 8" {
			assert.Contains(t, tried, "take", notation)
			assert.Contains(t, tried, "ring", notation)
		}
	}
}

func TestUndoAndRedoGoThroughEveryBoard(t *testing.T) {
	acts := map[string][]string{
		"blocks 2h 14t 23o": {`{"kind":"bundle","place":"ones"}`,
			`{"kind":"take","pieces":[{"place":"ones","count":4}]}`, `{"kind":"unbundle","place":"hundreds"}`,
			`{"kind":"ring","pieces":[{"place":"tens","count":10}]}`, `{"kind":"fewest"}`},
		"counters 2x5: 8 + 5": {`{"kind":"flip","pieces":[{"count":3}]}`, `{"kind":"groups","count":4}`,
			`{"kind":"share"}`, `{"kind":"gather"}`, `{"kind":"array","rows":3,"columns":4}`, `{"kind":"turn","frame":1}`},
		"cubes 2T 5a4b 12": {`{"kind":"snap","train":1,"after":4}`, `{"kind":"join","train":1,"with":2}`,
			`{"kind":"tower","train":2}`, `{"kind":"open"}`, `{"kind":"colourTrains"}`},
		"discs 1th 3h 12t 4o 6.t": {`{"kind":"bundle","place":"tens"}`, `{"kind":"shift","by":1}`,
			`{"kind":"cards","shown":true,"to":"thousandths"}`, `{"kind":"groups","count":3}`,
			`{"kind":"share","place":"thousands"}`},
		"rack 2: 6 8": {`{"kind":"slide","rows":[{"row":1,"to":10}]}`,
			`{"kind":"ring","beads":[{"row":1,"from":1,"to":5}]}`,
			`{"kind":"ring","beads":[{"row":2,"from":1,"to":3}],"beside":true}`, `{"kind":"home"}`,
			`{"kind":"build","amount":"14"}`},
	}
	for notation, moves := range acts {
		d := openBoard(t, notation)
		seen := []string{asText(t, d.document())}
		for _, mv := range moves {
			d.call("apply", map[string]any{"move": json.RawMessage(mv)}, nil)
			seen = append(seen, asText(t, d.document()))
		}
		for i := len(seen) - 2; i >= 0; i-- {
			d.call("undo", map[string]any{}, nil)
			require.Equal(t, seen[i], asText(t, d.document()), "%s: back to %d", notation, i)
		}
		for i := 1; i < len(seen); i++ {
			d.call("redo", map[string]any{}, nil)
			require.Equal(t, seen[i], asText(t, d.document()), "%s: again to %d", notation, i)
		}
		d.call("redo", map[string]any{}, nil)
		require.Equal(t, seen[len(seen)-1], asText(t, d.document()), "%s: there is no further", notation)
	}
}

func TestCountingAloudEndsAtTheNumber(t *testing.T) {
	for _, notation := range boards {
		b, err := board.Parse(notation)
		require.NoError(t, err)
		d := openBoard(t, notation)
		d.call("show", map[string]any{"scene": "a"}, nil)
		var counts []door.Reached
		d.call("counting", map[string]any{"model": 0}, &counts)
		assert.Equal(t, board.Total(b.Models[0]).String(), counts[len(counts)-1].Upto, notation)
		seen := map[board.PieceID]bool{}
		for _, c := range counts {
			assert.False(t, seen[c.ID], "%s: no piece is counted twice", notation)
			seen[c.ID] = true
		}
	}
}
