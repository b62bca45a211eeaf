package model_test

import (
	"encoding/json"
	"image"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/model/blocks"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

func amount(kind, text string) board.Move {
	return board.Move{Kind: kind, Args: pieces.AmountArgs{Amount: text}}
}

func at(kind string, p place.Place) board.Move {
	return board.Move{Kind: kind, Args: pieces.PlaceArgs{Place: p}}
}

func formOf(b board.Board) string { return b.Models[0].InPlay().String() }

// Amounts are laid in thousands as before; further columns are used when they are shown,
// hold a block, or are named.
func TestBlocksGoOnBeyondThousands(t *testing.T) {
	upTo := func(p place.Place) board.Move { return at("columns", p) }
	for _, c := range []struct {
		moves []board.Move
		form  string
	}{
		{[]board.Move{amount("build", "12000")}, "12 thousands"},
		{[]board.Move{upTo(place.TenThousands), amount("build", "12000")}, "1 ten thousand 2 thousands"},
		{[]board.Move{upTo(place.HundredThousands), amount("build", "345678")},
			"3 hundred thousands 4 ten thousands 5 thousands 6 hundreds 7 tens 8 ones"},
		{[]board.Move{upTo(place.TenThousands), amount("build", "345000")}, "34 ten thousands 5 thousands"},
		{[]board.Move{amount("place", "2 ten thousands")}, "2 ten thousands"},
		{[]board.Move{amount("build", "9999"), {Kind: "step", Args: pieces.StepArgs{}}}, "10 thousands"},
		{[]board.Move{upTo(place.TenThousands), amount("build", "9999"), {Kind: "step", Args: pieces.StepArgs{}}},
			"1 ten thousand"},
		{[]board.Move{amount("build", "12000"), {Kind: "fewest"}}, "12 thousands"},
		{[]board.Move{amount("build", "12000"), {Kind: "bundle", Args: pieces.BundleArgs{Place: place.Thousands}}},
			"1 ten thousand 2 thousands"},
		{[]board.Move{amount("place", "1 ten thousand"),
			{Kind: "unbundle", Args: pieces.UnbundleArgs{Place: place.TenThousands}}},
			"10 thousands"},
		{[]board.Move{amount("place", "1 ten thousand"), amount("place", "23000")}, "3 ten thousands 3 thousands"},
	} {
		assert.Equal(t, c.form, formOf(played(t, "blocks 0", c.moves...)))
	}
	b := played(t, "blocks 12hth")
	_, _, err := board.Apply(b, board.Move{Kind: "bundle", Args: pieces.BundleArgs{Place: place.HundredThousands}})
	require.EqualError(t, err, "There is no block larger than a hundred thousand.")
}

// The shapes repeat: cube, long, flat, and again of big cubes, each ten times the one
// before, in the class's own names.
func TestTheShapesOfBlocksRepeat(t *testing.T) {
	for p, want := range map[place.Place]string{place.Ones: "cube", place.Tens: "long", place.Hundreds: "flat",
		place.Thousands:    "big cube",
		place.TenThousands: "long of thousands", place.HundredThousands: "flat of thousands", place.Millions: "",
		place.Tenths: ""} {
		assert.Equal(t, want, say.Vocabulary{}.Shape(p))
	}
	assert.Equal(t, "stick of thousands", say.Vocabulary{Shapes: "bit, stick, tile, box"}.Shape(place.TenThousands))
	b := played(t, "blocks 1tth 1hth 1t 1h")
	size := map[string][2]int32{}
	for _, p := range b.Lay(0).Pieces {
		size[p.Drawing] = [2]int32{p.W, p.H}
	}
	assert.Greater(t, size["ten thousand"][1], 5*size["ten thousand"][0], "it is long")
	assert.Equal(t, size["hundred thousand"][0], size["hundred thousand"][1], "it is flat")
	for _, style := range []string{"solid", "sketch"} {
		drawn := played(t, "blocks 1tth 1hth", board.Move{Kind: "style", Args: blocks.StyleArgs{Style: style}})
		for _, p := range drawn.Lay(0).Pieces {
			assert.Positive(t, p.W)
			assert.NotEmpty(t, p.Drawing)
		}
	}
}

func TestABlockIsTurnedOnTheMat(t *testing.T) {
	turn := board.Move{Kind: "turn", Args: pieces.PiecesArgs{Pieces: []board.Select{{Place: place.Tens, Count: 1}}}}
	_, _, err := board.Apply(played(t, "blocks 2t"), turn)
	require.EqualError(t, err, "Pieces move freely only on the open mat.")
	b := played(t, "blocks 2t", board.Move{Kind: "view", Args: blocks.ViewArgs{View: "mat"}}, turn)
	lying := func(b board.Board) (wide int) {
		for _, p := range b.Lay(0).Pieces {
			if p.W > p.H {
				wide++
			}
		}
		return wide
	}
	assert.Equal(t, 1, lying(b))
	raw, err := json.Marshal(b)
	require.NoError(t, err)
	var again board.Board
	require.NoError(t, json.Unmarshal(raw, &again))
	assert.Equal(t, 1, lying(again), "it is kept in the file")
	assert.Equal(t, "20", board.Total(b.Models[0]).String())
	b, err = board.ApplyAll(b, []board.Move{{Kind: "view", Args: blocks.ViewArgs{View: "columns"}}})
	require.NoError(t, err)
	assert.Zero(t, lying(b), "in columns each stands")
}

// Turned together, what lay side by side lies under one another, and none lies on another.
func TestTurnedBlocksHideNone(t *testing.T) {
	mat := board.Move{Kind: "view", Args: blocks.ViewArgs{View: "mat"}}
	for count := 1; count <= 3; count++ {
		turn := board.Move{Kind: "turn", Args: pieces.PiecesArgs{Pieces: []board.Select{{Place: place.Tens, Count: count}}}}
		b := played(t, "blocks 2h 3t 1o", mat, turn)
		l := b.Lay(0)
		var lie []image.Rectangle
		rows, high := 0, 0
		for _, p := range l.Pieces {
			r := image.Rect(int(p.X), int(p.Y), int(p.X+p.W), int(p.Y+p.H))
			assert.True(t, r.In(image.Rect(0, 0, l.W, l.H)), "%d turned: %v is on the mat", count, r)
			if p.Drawing == "hundred" {
				continue // hundreds lie in piles
			}
			for _, o := range lie {
				assert.False(t, r.Overlaps(o), "%d turned: %v lies on %v", count, r, o)
			}
			if lie = append(lie, r); r.Dx() > r.Dy() {
				assert.Greater(t, r.Min.Y, high-1)
				rows, high = rows+1, r.Max.Y
			}
		}
		assert.Equal(t, count, rows)
	}
}

// A mat is as large as its blocks want, and has room for one that lies far away.
func TestAMatHasRoomForItsBlocks(t *testing.T) {
	mat := board.Move{Kind: "view", Args: blocks.ViewArgs{View: "mat"}}
	small, middle, large := played(t, "blocks 3t 4o", mat).Lay(0), played(t, "blocks 2h", mat).Lay(0),
		played(t, "blocks 1th", mat).Lay(0)
	assert.Less(t, small.W, middle.W)
	assert.Less(t, middle.W, large.W)
	far := board.Move{Kind: "lay", Args: pieces.LayArgs{Pieces: []board.Select{{Count: 1}}, DX: 900, DY: 500}}
	l := played(t, "blocks 3t 4o", mat, far).Lay(0)
	for _, p := range l.Pieces {
		assert.LessOrEqual(t, int(p.X+p.W), l.W)
		assert.LessOrEqual(t, int(p.Y+p.H), l.H)
	}
}

// Copies are looked at, until they are brought into play; what a start row shows never is.
func TestCopiesAreBroughtIntoPlay(t *testing.T) {
	some := []board.Select{{Place: place.Tens, Count: 2}}
	copies := []board.Select{{Place: place.Tens, State: "copy"}}
	b := played(t, "blocks 3t", board.Move{Kind: "copy", Args: pieces.PiecesArgs{Pieces: some}})
	assert.Equal(t, "30", board.Total(b.Models[0]).String())
	b, err := board.ApplyAll(b, []board.Move{{Kind: "intoPlay", Args: pieces.PiecesArgs{Pieces: copies}}})
	require.NoError(t, err)
	assert.Equal(t, "50", board.Total(b.Models[0]).String())
	_, _, err = board.Apply(b, board.Move{Kind: "intoPlay", Args: pieces.PiecesArgs{Pieces: some}})
	require.Error(t, err, "what is in play is no copy")
	start := played(t, "discs 3t", shifted(1, true))
	_, _, err = board.Apply(start, board.Move{Kind: "intoPlay", Args: pieces.PiecesArgs{Pieces: copies}})
	require.EqualError(t, err, "These are copies to look at. They are not in play.")
}
