package model_test

import (
	"encoding/json"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/model/counters"
	"unitbloom/core/say"
)

func played(t *testing.T, text string, moves ...board.Move) board.Board {
	t.Helper()
	b, err := board.Parse(text)
	require.NoError(t, err)
	b, err = board.ApplyAll(b, moves)
	require.NoError(t, err)
	return b
}

func says(b board.Board, id string) string {
	for _, r := range b.ReadOuts(0, say.Vocabulary{}) {
		if r.ID == id {
			return r.Text
		}
	}
	return ""
}

func built(amount string) board.Move {
	return board.Move{Kind: "build", Args: counters.NumberArgs{Amount: amount}}
}

func unit(name string) board.Move {
	return board.Move{Kind: "unit", Args: counters.UnitArgs{Name: name}}
}

func TestCountersTakeTheUnitThatTheyCount(t *testing.T) {
	for _, c := range []struct{ unit, typed, total, counted string }{
		{"thousands", "6 thousands", "6000", "6 thousands"}, {"thousands", "1 thousand", "1000", "1 thousand"},
		{"thousands", "6", "6000", "6 thousands"}, {"thousands", "60 hundreds", "6000", "6 thousands"},
		{"tens", "4 tens + 3 tens", "70", "7 tens"}, {"bulbs", "5 bulbs", "5", "5 bulbs"},
		{"leaves", "1 leaf", "1", "1 leaf"},
		{"", "7 counters", "7", "7 counters"}, {"", "8 ones", "8", "8 counters"},
	} {
		b := played(t, "counters 0", unit(c.unit), built(c.typed))
		assert.Equal(t, c.total, board.Total(b.Models[0]).String(), c.typed)
		assert.Equal(t, c.counted, says(b, "counted"), c.typed)
	}
	b := played(t, "counters 0", unit("thousands"))
	_, _, err := board.Apply(b, built("6 hundreds"))
	require.EqualError(t, err, "600 is not a whole number of thousands.")
	_, _, err = board.Apply(b, built("6 bulbs"))
	require.Error(t, err)
}

func TestGroupsSayTheUnit(t *testing.T) {
	b := played(t, "counters 7", unit("thousands"), board.Move{Kind: "groups", Args: counters.GroupsArgs{Count: 3}},
		board.Move{Kind: "share", Args: counters.ShareArgs{}})
	assert.Equal(t, "3 groups of 2 thousands, 1 thousand left over", says(b, "shared"))
	for _, z := range b.Lay(0).Zones {
		if role, _ := z.Is(); role == "group" {
			assert.Equal(t, "2 thousands", z.Text)
		}
	}
}

// One for you, one for you: each press is one counter, to the group whose turn it is.
func TestCountersAreDealtOneAtATime(t *testing.T) {
	deal := board.Move{Kind: "deal"}
	b := played(t, "counters 5", board.Move{Kind: "groups", Args: counters.GroupsArgs{Count: 3}})
	for _, want := range []string{"1, 0, 0, and 4 left over", "1, 1, 0, and 3 left over", "3 groups of 1, 2 left over",
		"2, 1, 1, and 1 left over", "2, 2, 1, and 0 left over"} {
		next, effect, err := board.Apply(b, deal)
		require.NoError(t, err)
		assert.Contains(t, effect.Said.Text(say.Vocabulary{}), "One to group")
		b = next
		assert.Equal(t, want, says(b, "shared"))
	}
	_, _, err := board.Apply(b, deal)
	require.EqualError(t, err, "All are dealt.")
	_, _, err = board.Apply(played(t, "counters 5"), deal)
	require.EqualError(t, err, "There are no groups to share into. Set how many first.")
}

func TestAllWaysStandBesideTheNumber(t *testing.T) {
	b := played(t, "counters 2x5: 5", board.Move{Kind: "allWays"})
	assert.Equal(t, "5", board.Total(b.Models[0]).String(), "the number stays what it is")
	require.Len(t, b.Tiles[0].Kept, 1)
	ways := b.Tiles[0].Kept[0]
	assert.Equal(t, 30, ways.Pieces())
	var captions []string
	for _, d := range board.LayOut(ways).Decor {
		if d.Kind == "caption" {
			captions = append(captions, d.Text)
		}
	}
	assert.Equal(t, []string{"5 + 0", "4 + 1", "3 + 2", "2 + 3", "1 + 4", "0 + 5"}, captions)
	_, _, err := board.Apply(played(t, "rack 2: 5"), board.Move{Kind: "allWays"})
	require.EqualError(t, err, "All ways are shown with counters, not with rack.")
	_, _, err = board.Apply(played(t, "counters 21"), board.Move{Kind: "allWays"})
	require.Error(t, err)
}

func TestAStoryPutsDownWhatItTellsOf(t *testing.T) {
	tell := func(text string) board.Move { return board.Move{Kind: "story", Args: counters.StoryArgs{Text: text}} }
	b := played(t, "counters 2x5: 9", tell("{3} snails sit on the {leaf}, {1} bee flies"))
	assert.Equal(t, "4", board.Total(b.Models[0]).String())
	assert.Equal(t, "3 snails sit on the leaf, 1 bee flies.", says(b, "story"))
	var looks []string
	for _, p := range b.Lay(0).Pieces {
		looks = append(looks, p.Drawing)
	}
	assert.Equal(t, []string{"snail", "snail", "snail", "bee"}, looks)
	b, err := board.ApplyAll(b, []board.Move{{Kind: "parts", Args: counters.FirstArgs{First: 1}}})
	require.NoError(t, err)
	assert.Equal(t, "1 snail sits on the leaf, 3 bees fly.", says(b, "story"), "it is told with what lies there")
	raw, err := json.Marshal(b)
	require.NoError(t, err)
	var again board.Board
	require.NoError(t, json.Unmarshal(raw, &again))
	assert.Equal(t, says(b, "story"), says(again, "story"))
	assert.Equal(t, "12 pots stand there.", says(played(t, "counters 0", tell("{12} pots stand there")), "story"))
	for _, wrong := range []string{"3 snails", "{1} a {2} b {3} c", "{snails} sit"} {
		_, _, err := board.Apply(b, tell(wrong))
		require.EqualError(t, err, "Write a sentence with one or two numbers, each in curly braces.", wrong)
	}
	gone := played(t, "counters 0", tell("{2} bees"), tell(""))
	assert.Equal(t, "–", says(gone, "story"))
	assert.Equal(t, "2", board.Total(gone.Models[0]).String(), "the counters stay")
}

func shaded(b board.Board) []int {
	var at []int
	n := 0
	for _, d := range b.Lay(0).Decor {
		if d.Kind == "cell" || d.Kind == "shaded" {
			if d.Kind == "shaded" {
				at = append(at, n)
			}
			n++
		}
	}
	return at
}

func TestFramesAreShadedAtAnySplit(t *testing.T) {
	shade := func(a counters.SplitArgs) board.Move { return board.Move{Kind: "split", Args: a} }
	assert.Equal(t, []int{7, 8, 9}, shaded(played(t, "counters 2x5: 8", shade(counters.SplitArgs{Cells: 7}))))
	every := shaded(played(t, "counters 10x10: 0", shade(counters.SplitArgs{Every: 5})))
	assert.Len(t, every, 50)
	for _, n := range every {
		assert.GreaterOrEqual(t, n%10, 5)
	}
	pairs := played(t, "counters 2x5: 8", board.Move{Kind: "fill", Args: counters.FillArgs{By: "pairs"}},
		shade(counters.SplitArgs{Cells: 8}))
	assert.Equal(t, []int{4, 9}, shaded(pairs), "cells count in the order in which they fill")
	for _, wrong := range []counters.SplitArgs{{Cells: 10}, {Every: 6}, {Cells: -1}, {Every: -1}} {
		_, _, err := board.Apply(played(t, "counters 2x5: 8"), shade(wrong))
		require.Error(t, err, wrong)
	}
	// A frame that shrinks keeps what shading fits; turned, it has its own.
	small := played(t, "counters 2x5: 0", shade(counters.SplitArgs{Cells: 7}),
		board.Move{Kind: "grow", Args: counters.GrowArgs{Frame: 1, Less: true}})
	assert.Empty(t, shaded(small))
	fives := played(t, "counters 3x4: 0", shade(counters.SplitArgs{Every: 6}),
		board.Move{Kind: "grow", Args: counters.GrowArgs{Frame: 1, Less: true}})
	assert.Equal(t, []int{4, 5, 6, 7}, shaded(fives))
	back := played(t, "counters 2x5: 0", shade(counters.SplitArgs{Every: 5}), shade(counters.SplitArgs{After: 1}),
		shade(counters.SplitArgs{}))
	assert.Empty(t, shaded(back))
	// A row that is shaded after its last row but one is not, once it has grown smaller.
	rows := played(t, "counters 3x4: 0", shade(counters.SplitArgs{After: 2}),
		board.Move{Kind: "grow", Args: counters.GrowArgs{Frame: 1, Less: true}})
	assert.Empty(t, shaded(rows))
	assert.False(t, slices.Contains(shaded(rows), 0))
}
