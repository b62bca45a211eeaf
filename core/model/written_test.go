package model_test

import (
	"encoding/json"
	"fmt"
	"strconv"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/model/discs"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/internal/proptest"
)

var leavesTraces = board.Move{Kind: "traces", Args: pieces.TracesArgs{Shown: true}}

// paper reads the written method of the first model, row by row.
func paper(b board.Board) map[string]string {
	spec, _ := board.SpecOf(b.Models[0].Kind())
	at := map[string]map[place.Place]string{}
	for _, c := range spec.Written(b.Models[0]) {
		if at[c.Row] == nil {
			at[c.Row] = map[place.Place]string{}
		}
		if c.Place != nil {
			at[c.Row][*c.Place] = c.Text
		} else {
			at[c.Row][place.Largest+1] = c.Text
		}
	}
	rows := map[string]string{}
	for row, cells := range at {
		for p := place.Largest + 1; p >= place.Smallest; p-- {
			if cells[p] != "" {
				rows[row] += cells[p] + " "
			}
		}
		rows[row] = rows[row][:len(rows[row])-1]
	}
	return rows
}

func bundle(p place.Place) board.Move {
	return board.Move{Kind: "bundle", Args: pieces.BundleArgs{Place: p}}
}

func open(p place.Place) board.Move {
	return board.Move{Kind: "unbundle", Args: pieces.UnbundleArgs{Place: p}}
}

func takeAway(p place.Place, n int) board.Move {
	return board.Move{Kind: "take", Args: pieces.PiecesArgs{Pieces: []board.Select{{Place: p, Count: n}}}}
}

func TestTheWrittenMethodFollowsAnAdditionByHand(t *testing.T) {
	b := played(t, "blocks 0", leavesTraces, amount("build", "146 + 87"))
	assert.Equal(t, map[string]string{"addend 1": "1 4 6", "addend 2": "+ 8 7"}, paper(b),
		"no digit of the sum before a place is done")
	for _, step := range []struct {
		move board.Move
		rows map[string]string
	}{
		{at("join", place.Ones), map[string]string{}}, // thirteen ones are no digit
		{bundle(place.Ones), map[string]string{"mark": "1", "sum": "3"}},
		{bundle(place.Tens), map[string]string{"mark": "1 1", "sum": "3 3"}},
		{at("join", place.Hundreds), map[string]string{"mark": "1 1", "sum": "2 3 3"}},
	} {
		var err error
		b, err = board.ApplyAll(b, []board.Move{step.move})
		require.NoError(t, err)
		step.rows["addend 1"], step.rows["addend 2"] = "1 4 6", "+ 8 7"
		assert.Equal(t, step.rows, paper(b), step.move.Kind)
	}
	assert.Equal(t, "233", board.Total(b.Models[0]).String())
	raw, err := json.Marshal(b)
	require.NoError(t, err)
	var again board.Board
	require.NoError(t, json.Unmarshal(raw, &again))
	assert.Equal(t, paper(b), paper(again), "it is read from the board, which is kept")
}

// A place that holds only what was made of the one before has its digit at once.
func TestWhatWasMadeIsWrittenWhereNoAddendIs(t *testing.T) {
	b := played(t, "blocks 0", leavesTraces, amount("build", "58 + 67"), bundle(place.Ones))
	assert.Equal(t, "5", paper(b)["sum"])
	b, err := board.ApplyAll(b, []board.Move{bundle(place.Tens)})
	require.NoError(t, err)
	assert.Equal(t, map[string]string{"addend 1": "5 8", "addend 2": "+ 6 7", "mark": "1 1", "sum": "1 2 5"}, paper(b))
}

func TestTheWrittenMethodFollowsASubtractionByHand(t *testing.T) {
	b := played(t, "discs 0", leavesTraces, amount("build", "402"))
	assert.Equal(t, map[string]string{"addend 1": "4 0 2"}, paper(b))
	for _, step := range []struct {
		move board.Move
		rows map[string]string
	}{
		{open(place.Hundreds), map[string]string{"mark": "3 10"}},
		{open(place.Tens), map[string]string{"mark": "3 9 12"}},
		{takeAway(place.Ones, 7), map[string]string{"mark": "3 9 12", "addend 2": "− 7", "sum": "5"}},
		{takeAway(place.Tens, 6), map[string]string{"mark": "3 9 12", "addend 2": "− 6 7", "sum": "3 5"}},
		{takeAway(place.Hundreds, 1), map[string]string{"mark": "3 9 12", "addend 2": "− 1 6 7", "sum": "2 3 5"}},
	} {
		var err error
		b, err = board.ApplyAll(b, []board.Move{step.move})
		require.NoError(t, err)
		step.rows["addend 1"] = "4 0 2"
		assert.Equal(t, step.rows, paper(b), step.move.Kind)
	}
	assert.Equal(t, "235", board.Total(b.Models[0]).String())
}

// Traces are out of play, and told apart: bundled ones, opened ones, and what was taken.
func TestTracesAreOutOfPlayAndToldApart(t *testing.T) {
	b := played(t, "blocks 13o", leavesTraces, bundle(place.Ones))
	assert.Equal(t, "13", board.Total(b.Models[0]).String())
	assert.Equal(t, 14, b.Models[0].Pieces(), "ten traces, three ones and a ten")
	b = played(t, "blocks 1h", leavesTraces, board.Move{Kind: "unbundle",
		Args: pieces.UnbundleArgs{Place: place.Hundreds, To: new(place.Place)}})
	assert.Equal(t, "100", board.Total(b.Models[0]).String())
	assert.Equal(t, 111, b.Models[0].Pieces(), "the hundred, the ten tens on the way, and the ones")
	assert.Equal(t, map[string]string{"addend 1": "1 0 0", "mark": "0 0 100"}, paper(b))
	plain := played(t, "blocks 1h", open(place.Hundreds))
	assert.Equal(t, 10, plain.Models[0].Pieces(), "without being asked nothing leaves a trace")
	assert.Empty(t, paper(plain))
	tidy := played(t, "blocks 13o", leavesTraces, bundle(place.Ones), board.Move{Kind: "tidy"})
	assert.Equal(t, 4, tidy.Models[0].Pieces(), "tidying puts traces away")
}

func TestTheAddendsOfAChartLieTogetherAndStayAddends(t *testing.T) {
	together := func(on bool) board.Move {
		return board.Move{Kind: "together", Args: discs.TogetherArgs{Shown: on}}
	}
	b := played(t, "discs 1h 4t 6o + 8t 7o", leavesTraces, together(true))
	assert.Equal(t, "1", b.Lay(0).Settings["rows"])
	assert.Equal(t, map[string]string{"addend 1": "1 4 6", "addend 2": "+ 8 7"}, paper(b),
		"thirteen ones have no digit yet")
	b, err := board.ApplyAll(b, []board.Move{bundle(place.Ones), bundle(place.Tens)})
	require.NoError(t, err)
	assert.Equal(t, "2 3 3", paper(b)["sum"])
	b, err = board.ApplyAll(b, []board.Move{together(false)})
	require.NoError(t, err)
	assert.Equal(t, "2", b.Lay(0).Settings["rows"])
}

// Whatever is added or taken by hand, from the smallest place up, paper says what the
// school's own reckoning says.
func TestPaperAgreesWithReckoning(t *testing.T) {
	r := proptest.Random(23)
	for range min(proptest.Cases(), 1500) {
		x, y := 1+r.IntN(4999), 1+r.IntN(4999)
		kind := []string{"blocks", "discs"}[r.IntN(2)]
		b := played(t, kind+" 0", leavesTraces, amount("build", fmt.Sprintf("%d + %d", x, y)))
		marks := ""
		for p, carry := place.Ones, 0; p <= place.Thousands; p++ {
			sum := place.Int(x).Digit(p) + place.Int(y).Digit(p) + carry
			if carry = sum / 10; carry > 0 {
				var err error
				b, err = board.ApplyAll(b, []board.Move{bundle(p)})
				require.NoError(t, err, "%d + %d", x, y)
				marks = "1 " + marks
			}
		}
		if kind == "discs" {
			b, _ = board.ApplyAll(b, []board.Move{{Kind: "together", Args: discs.TogetherArgs{Shown: true}}})
		} else {
			for p := place.Ones; p <= place.Thousands; p++ {
				b, _ = board.ApplyAll(b, []board.Move{at("join", p)})
			}
		}
		rows := paper(b)
		require.Equal(t, spaced(x), rows["addend 1"])
		require.Equal(t, "+ "+spaced(y), rows["addend 2"])
		require.Equal(t, marks, rows["mark"]+trailing(rows["mark"]), "%d + %d", x, y)
		require.Equal(t, spaced(x+y), rows["sum"], "%d + %d on %s", x, y, kind)

		more, less := max(x, y), min(x, y)
		b = played(t, kind+" 0", leavesTraces, amount("build", strconv.Itoa(more)))
		left := place.Int(more)
		has := func(p place.Place) int { return b.Models[0].InPlay().Of(p) }
		for p := place.Ones; p <= place.Thousands; p++ {
			take := place.Int(less).Digit(p)
			for from := p + 1; has(p) < take; from = p + 1 {
				for has(from) == 0 {
					from++
				}
				for ; from > p; from-- {
					var err error
					b, err = board.ApplyAll(b, []board.Move{open(from)})
					require.NoError(t, err)
				}
			}
			if take > 0 {
				var err error
				b, err = board.ApplyAll(b, []board.Move{takeAway(p, take)})
				require.NoError(t, err)
			}
		}
		left, err := left.Sub(place.Int(less))
		require.NoError(t, err)
		require.Equal(t, left, board.Total(b.Models[0]))
		rows = paper(b)
		require.Equal(t, spaced(more), rows["addend 1"])
		require.Equal(t, "− "+spaced(less), rows["addend 2"])
		for i, p := 0, place.Int(less).Top(); p >= place.Ones; i, p = i+1, p-1 {
			require.Equal(t, byte('0'+left.Digit(p)), rows["sum"][2*i], "%d − %d", more, less)
		}
	}
}

// spaced is a number digit by digit: 1 4 6.
func spaced(n int) string {
	text := ""
	for _, d := range strconv.Itoa(n) {
		text += string(d) + " "
	}
	return text[:len(text)-1]
}

func trailing(s string) string {
	if s == "" {
		return ""
	}
	return " "
}
