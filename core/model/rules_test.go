package model_test

import (
	"encoding/json"
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/model/counters"
	"unitbloom/core/model/cubes"
	"unitbloom/core/model/discs"
	"unitbloom/core/model/pieces"
	"unitbloom/core/model/rack"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Rules of single moves that no law of a total sees.

func TestATenThatLeavesATraceCountsForNoAddend(t *testing.T) {
	for _, model := range []string{"blocks", "discs"} {
		for move, part := range map[string]int8{
			`{"kind":"bundle","place":"ones"}`:              1,
			`{"kind":"bundle","place":"ones","trace":true}`: 0,
		} {
			b, err := play(t, model+" 14o + 3o", move)
			require.NoError(t, err)
			tens := 0
			for _, k := range b.Models[0].(interface{ Held() []pieces.Piece }).Held() {
				if k.Place == place.Tens {
					tens++
					assert.Equal(t, part, int8(k.Part), "%s %s", model, move)
				}
			}
			assert.Equal(t, 1, tens)
		}
	}
}

func TestTheStartRowCopiesWhatIsInPlay(t *testing.T) {
	b, err := play(t, "discs 5o", `{"kind":"cross","pieces":[{"place":"ones","count":2}]}`,
		`{"kind":"shift","by":1,"keep":true}`)
	require.NoError(t, err)
	copies := 0
	for _, k := range b.Models[0].(discs.Discs).List {
		if k.Start {
			copies++
			assert.Equal(t, pieces.Copy, k.State)
			assert.Equal(t, place.Ones, k.Place, "they show how it was")
		}
	}
	assert.Equal(t, 3, copies)
}

func TestWhatIsMissingIsToldToTenToTwentyAndToTheFullRack(t *testing.T) {
	for notation, want := range map[string]string{
		"rack 2: 6 0":         "4 to 10; 14 to 20",
		"rack 2: 10 4":        "6 to 20",
		"rack 2: 10 10":       "–",
		"rack 1: 6":           "4 to 10",
		"rack 10: 6":          "4 to 10; 14 to 20; 94 to 100",
		"rack 10: 10 10 10 4": "66 to 100",
	} {
		b, err := board.Parse(notation)
		require.NoError(t, err)
		assert.Equal(t, want, readOut(t, b, 0, "toFill"), notation)
	}
}

func TestEveryLinkedModelFollows(t *testing.T) {
	b, err := play(t, "blocks 6o | counters 6 | rack 2: 6 | counters 6",
		`{"kind":"link","model":0,"with":1}`, `{"kind":"link","model":0,"with":2}`, `{"kind":"link","model":0,"with":3}`,
		`{"kind":"place","model":0,"amount":"3 ones"}`)
	require.NoError(t, err)
	for i, m := range b.Models {
		assert.Equal(t, "9", board.Total(m).String(), i)
	}
}

func TestThereIsNoThirteenthRing(t *testing.T) {
	for notation, ring := range map[string]func(n int) string{
		"counters 20": func(n int) string {
			return fmt.Sprintf(`{"kind":"ring","pieces":[{"place":"ones","slots":[%d]}],"beside":true}`, n)
		},
		"rack 2: 10 10": func(n int) string {
			row, bead := 1+(n-1)/10, 1+(n-1)%10
			return fmt.Sprintf(`{"kind":"ring","beads":[{"row":%d,"from":%d,"to":%d}],"beside":true}`, row, bead, bead)
		},
	} {
		var moves []string
		for n := 1; n <= board.MaxRings; n++ {
			moves = append(moves, ring(n))
		}
		b, err := play(t, notation, moves...)
		require.NoError(t, err)
		var kept board.Board
		require.NoError(t, json.Unmarshal([]byte(asJSON(t, b)), &kept), "a file holds them all")
		_, err = play(t, notation, append(moves, ring(board.MaxRings+1))...)
		var refusal *say.Refusal
		require.ErrorAs(t, err, &refusal)
		assert.Equal(t, "rings", refusal.Code)
	}
}

func TestOneFewerTakesTheLast(t *testing.T) {
	down := `{"kind":"step","by":1,"down":true}`
	assert.Equal(t, "counters 3 + 1", printed(t, "counters 3 + 2", down))
	assert.Equal(t, "counters 2", printed(t, "counters 3 + 2", down, down, down))
}

// Every model holds what its spec says: laid place by place on a board with room for
// it, a number stands there.
func TestEveryModelIsLaidByItsSpec(t *testing.T) {
	for _, spec := range board.Specs() {
		most := spec.Most
		if most == 0 {
			most = 9_999_999
		}
		for _, n := range []int{1, 9, 10, 11, 20, 21, 57, 99, 100, 508, 9999, 3_040_005, most} {
			if n > most {
				continue
			}
			b, err := board.Parse(spec.Empty(n))
			require.NoError(t, err, spec.Kind)
			require.True(t, board.Total(b.Models[0]).IsZero())
			number := place.Int(n)
			for p := number.Top(); p >= place.Ones; p-- {
				if number.Digit(p) == 0 {
					continue
				}
				for _, mv := range spec.Lay(number.Digit(p), p, 0) {
					b, _, err = board.Apply(b, mv)
					require.NoError(t, err, "%s: %d", spec.Kind, n)
				}
			}
			assert.Equal(t, number.String(), board.Total(b.Models[0]).String(), spec.Kind)
		}
	}
}

func take(one board.Select) board.Move {
	return board.Move{Kind: "take", Args: pieces.PiecesArgs{Pieces: []board.Select{one}}}
}

// What a spec splits a move into comes to the same, one piece at a time.
func TestAMoveIsSplitIntoSinglePieces(t *testing.T) {
	for _, c := range []struct {
		board string
		move  board.Move
		acts  int
	}{
		{"blocks 0", board.Move{Kind: "build", Args: pieces.AmountArgs{Amount: "2 tens 3 ones"}}, 5},
		{"discs 0", board.Move{Kind: "place", Args: pieces.AmountArgs{Amount: "2 tens 3 ones"}}, 5},
		{"discs 2h 7o", take(board.Select{Place: place.Ones, Count: 3}), 3},
		{"counters 2x5: 0", board.Move{Kind: "build", Args: counters.NumberArgs{Amount: "7"}}, 7},
		{"counters 2x5: 4", board.Move{Kind: "place", Args: counters.PlaceArgs{Count: 5, Mint: true}}, 5},
		{"counters 2x5: 8", take(board.Select{Place: place.Ones, Slots: []int{2, 5}}), 2},
		{"cubes 4", board.Move{Kind: "place", Args: cubes.TrainArgs{Count: 6, Part: 2}}, 6},
		{"cubes 4", board.Move{Kind: "add", Args: cubes.AddArgs{Train: 1, Count: 3}}, 3},
		{"rack 2: 6 8", board.Move{Kind: "slide", Args: rack.SlideArgs{Rows: []rack.Push{{Row: 1, To: 10},
			{Row: 2, To: 5}}}}, 7},
		{"rack 2: 6 8", board.Move{Kind: "home", Args: board.NoArgs{}}, 0},
		// What only rings, or takes of two places, goes at once.
		{"discs 2h 7o", board.Move{Kind: "ring", Args: pieces.PiecesArgs{Pieces: []board.Select{{Place: place.Ones,
			Count: 3}}}}, 0},
		{"discs 2h 7o", board.Move{Kind: "take", Args: pieces.PiecesArgs{Pieces: []board.Select{{Place: place.Ones,
			Count: 3}, {Place: place.Hundreds, Count: 1}}}}, 0},
	} {
		b, err := board.Parse(c.board)
		require.NoError(t, err)
		spec, _ := board.SpecOf(b.Models[0].Kind())
		acts := spec.Split(b.Models[0], c.move)
		assert.Len(t, acts, c.acts, "%s %s", c.board, c.move.Kind)
		slow := b
		for _, one := range acts {
			before := board.Total(slow.Models[0])
			slow, _, err = board.Apply(slow, one)
			require.NoError(t, err)
			assert.NotEqual(t, before, board.Total(slow.Models[0]), "each act is seen")
		}
		if c.acts > 0 {
			fast, _, err := board.Apply(b, c.move)
			require.NoError(t, err)
			assert.Equal(t, board.Print(fast), board.Print(slow), "%s %s", c.board, c.move.Kind)
		}
	}
}

// A sum that is typed is said as it is: what it comes to is the class's to find.
func TestASumThatIsBuiltIsNotWorkedOut(t *testing.T) {
	said := 0
	for _, spec := range board.Specs() {
		if spec.Acts.Build == nil {
			continue
		}
		b, err := board.Parse(spec.Empty(0))
		require.NoError(t, err, spec.Kind)
		_, effect, err := board.Apply(b, spec.Acts.Build("5 + 4"))
		if err != nil {
			continue // the tally of the tests takes no sum
		}
		assert.Equal(t, "5 + 4 built.", effect.Said.Text(say.Vocabulary{}), spec.Kind)
		said++
	}
	assert.Equal(t, 5, said)
}
