package main

import (
	"encoding/json"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// Every move that is listed works through apply, exactly as it is printed.
func TestEveryListedMoveWorks(t *testing.T) {
	t.Parallel()
	out, _, status := runs(t, "", "moves", "--json")
	require.Zero(t, status)
	var lines []struct {
		Model, Kind, Doc string
		Laws             []string
		Params           []struct{ Name, Type, Doc string }
		Example          struct {
			Board  string
			Before []json.RawMessage
			Move   json.RawMessage
		}
	}
	require.NoError(t, json.Unmarshal([]byte(out), &lines))
	models := map[string]int{}
	for _, l := range lines {
		models[l.Model]++
		assert.NotEmpty(t, l.Laws, l.Kind)
		for _, p := range l.Params {
			assert.NotEmptyf(t, p.Doc, "%s %s", l.Kind, p.Name)
		}
		moves := make([]string, 0, len(l.Example.Before)+1)
		for _, mv := range append(l.Example.Before, l.Example.Move) {
			moves = append(moves, string(mv))
		}
		made, err := applyMoves(l.Example.Board, moves)
		require.NoError(t, err, l.Kind)
		require.Nilf(t, made.Refusal, "%s: %+v", l.Kind, made.Refusal)
		assert.Equal(t, len(moves), made.Made)
	}
	for _, model := range []string{"blocks", "rack", "counters", "cubes", "discs", "board"} {
		assert.Positive(t, models[model], model)
	}
}

func TestApplyPrintsBoardReadOutsAndRefusal(t *testing.T) {
	t.Parallel()
	out, _, status := runs(t, "", "apply", "--board", "rack 2: 6 8", "--move", `{"kind":"cover","zone":"row 1 left"}`,
		"--move", `{"kind":"slide","rows":[{"row":2,"to":3}]}`, "--json")
	require.Zero(t, status)
	var got applied
	var raw map[string]json.RawMessage
	require.NoError(t, json.Unmarshal([]byte(out), &raw))
	require.NoError(t, json.Unmarshal([]byte(out), &got))
	assert.Equal(t, "rack 2: 6 3", got.Board)
	assert.Equal(t, 2, got.Made)
	assert.Equal(t, "?", got.ReadOuts[0].Total, "what is covered is not given away")
	assert.Equal(t, "? and 4 make 10; 3 and 7 make 10", got.ReadOuts[0].Says["missing"])
	assert.Contains(t, string(raw["json"]), `"covers"`)
	assert.NotContains(t, raw, "refusal")

	out, _, status = runs(t, "", "apply", "--board", "blocks 6o", "--move", `{"kind":"bundle","place":"ones"}`, "--json")
	assert.Equal(t, 1, status)
	require.NoError(t, json.Unmarshal([]byte(out), &got))
	assert.Equal(t, "6 ones here. A ten needs 4 more.", got.Refusal.Text)
	assert.Equal(t, "blocks 6o", got.Board)

	out, errs, status := runs(t, "", "apply", "--board", "discs 3o 5.h", "--move", `{"kind":"shift","by":1}`)
	assert.Zero(t, status, errs)
	assert.Equal(t, "discs 3t 5.t\n", out)

	for _, args := range [][]string{
		{"apply"},
		{"apply", "--board", "abacus 3"},
		{"apply", "--board", "rack 1: 3", "--move", "{}"},
		{"apply", "--board", "rack 1: 3", "--move", "no"},
	} {
		_, errs, status := runs(t, "", args...)
		assert.NotZero(t, status, args)
		assert.NotEmpty(t, errs)
	}
}
