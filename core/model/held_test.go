package model_test

import (
	"encoding/json"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/model/blocks"
	"unitbloom/core/model/cubes"
	"unitbloom/core/model/pieces"
	"unitbloom/core/model/rack"
	"unitbloom/core/place"
)

// Building at once is one act, however slowly pieces are laid otherwise.
func TestBuildingOnTheRackIsOneAct(t *testing.T) {
	b, err := board.Parse("rack 2: 0")
	require.NoError(t, err)
	spec, _ := board.SpecOf("rack")
	assert.Empty(t, spec.Split(b.Models[0], board.Move{Kind: "build", Args: rack.NumberArgs{Amount: "13"}}))
	assert.Len(t, spec.Split(b.Models[0], board.Move{Kind: "more", Args: rack.NumberArgs{Amount: "13"}}), 4)
	assert.Empty(t, spec.Split(b.Models[0], board.Move{Kind: "more", Args: rack.NumberArgs{Amount: "?"}}))
}

// A block that was made of loose ones lies in their middle.
func TestABundleLiesWhereItsTenLay(t *testing.T) {
	b := played(t, "blocks 10o", board.Move{Kind: "view", Args: blocks.ViewArgs{View: "mat"}},
		board.Move{Kind: "lay", Args: pieces.LayArgs{Pieces: []board.Select{{Place: place.Ones}}, DX: 300, DY: 200}})
	var x, y int32
	for _, p := range b.Lay(0).Pieces {
		x, y = x+p.X, y+p.Y
	}
	b, err := board.ApplyAll(b, []board.Move{bundle(place.Ones)})
	require.NoError(t, err)
	made := b.Lay(0).Pieces[0]
	assert.Equal(t, [2]int32{x / 10, y / 10}, [2]int32{made.X, made.Y})
}

// All is opened as long as the pieces fit the board.
func TestAllIsOpenedUpToTheLimitOfPieces(t *testing.T) {
	all := board.Move{Kind: "openAll", Args: pieces.OpenArgs{}}
	b := played(t, "blocks 29h 9t 10o", all)
	assert.Equal(t, 3000, b.Models[0].Pieces())
	over, err := board.Parse("blocks 30h 1o")
	require.NoError(t, err)
	_, _, err = board.Apply(over, all)
	require.Error(t, err)
}

// Each of four addends has its own row of its own blocks.
func TestFourAddendsLieInRowsOfTheirOwn(t *testing.T) {
	b := played(t, "blocks 1t 2o + 1t 3o + 1t 4o + 2t 5o")
	heights := map[int8]int{}
	for _, p := range b.Lay(0).Pieces {
		if p.Drawing == "ten" {
			assert.Greater(t, p.H, 9*p.W)
			heights[p.Part]++
		}
	}
	assert.Equal(t, map[int8]int{1: 1, 2: 1, 3: 1, 4: 2}, heights)
	for _, z := range b.Lay(0).Zones {
		for _, p := range b.Lay(0).Pieces {
			if p.Zone == z.ID {
				assert.LessOrEqual(t, int(p.X+p.W), z.X+z.W, "it lies in its column")
			}
		}
	}
}

func TestTowersCountTens(t *testing.T) {
	b, err := board.Parse("cubes 0")
	require.NoError(t, err)
	law, err := board.LawOf(b, board.Move{Kind: "build", Args: cubes.NumberArgs{Amount: "2 tens 3 ones"}})
	require.NoError(t, err)
	assert.Equal(t, board.Law{Kind: board.Sets, Value: place.Int(23)}, law)
	spec, _ := board.SpecOf("cubes")
	five := played(t, "cubes 5")
	colours := 0
	for _, o := range spec.Offers(five.Models[0], []board.PieceID{five.Lay(0).Pieces[0].ID}) {
		if o.Move.Kind == "colour" {
			colours++
		}
	}
	assert.Equal(t, cubes.MaxPart, colours, "every colour is offered")
}

// With traces a piece that is opened stays, and the board must have room for it too.
func TestTracesTakeRoom(t *testing.T) {
	fits := played(t, "blocks 1t 2989o", leavesTraces, open(place.Tens))
	assert.Equal(t, 3000, fits.Models[0].Pieces())
	b := played(t, "blocks 1t 2990o", leavesTraces)
	_, _, err := board.Apply(b, open(place.Tens))
	require.ErrorContains(t, err, "3001 pieces")
}

func TestNothingIsOfferedForWhatIsNotThere(t *testing.T) {
	spec, _ := board.SpecOf("cubes")
	b := played(t, "cubes 5")
	assert.Empty(t, spec.Offers(b.Models[0], []board.PieceID{999}))
}

// A train that follows a number grows at its end, and is one train still.
func TestATrainThatFollowsStaysOneTrain(t *testing.T) {
	b := played(t, "blocks 5o | cubes 5", board.Move{Kind: "link", Model: 1, Args: board.WithArgs{With: 0}},
		amount("place", "3"))
	assert.Equal(t, "blocks 8o | cubes 8", board.Print(b))
}

// Only a trace is one of an opened piece.
func TestOnlyATraceIsOfAnOpenedPiece(t *testing.T) {
	read := func(state string) string {
		var b board.Board
		require.NoError(t, json.Unmarshal([]byte(`{"models":[{"kind":"blocks","traces":true,"pieces":[{"place":"hundreds",`+
			`"count":1,`+
			`"state":"`+state+`","opened":true},{"place":"tens","count":10}]}]}`), &b))
		raw, err := json.Marshal(b)
		require.NoError(t, err)
		return string(raw)
	}
	assert.Contains(t, read("spent"), `"opened":true`)
	assert.NotContains(t, read("play"), `"opened"`)
}
