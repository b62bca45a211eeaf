package model_test

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/model/discs"
	"unitbloom/core/place"
	"unitbloom/core/say"
	"unitbloom/internal/proptest"
)

// cardsOf reads the digit cards of the first model, with the point after the ones.
func cardsOf(b board.Board) string {
	l := b.Lay(0)
	ones := 0
	for _, z := range l.Zones {
		if z.ID == "ones" {
			ones = z.X
		}
	}
	text, pointed := "", false
	for _, p := range l.Pieces {
		if p.Drawing != "card" {
			continue
		}
		if int(p.X) > ones+200 && !pointed {
			text, pointed = text+".", true
		}
		text += p.Text
	}
	return text
}

func startOf(b board.Board) string {
	text := ""
	for _, d := range b.Lay(0).Decor {
		if d.Kind == "startDigit" {
			text += d.Text
		}
	}
	return text
}

func shifted(by int, keep bool) board.Move {
	return board.Move{Kind: "shift", Args: discs.ShiftArgs{By: by, Keep: keep, Zeros: true}}
}

func TestDigitsAloneShiftWithTheirZeros(t *testing.T) {
	for _, c := range []struct {
		typed string
		by    []int
		reads string
	}{
		{"34", []int{-2}, "0.34"}, {"120", []int{-2}, "1.20"}, {"34.00", []int{2}, "3400"}, {"34", []int{2}, "3400"},
		{"1.20", []int{1}, "12.0"}, {"120", []int{-1, -1, 2}, "120"}, {"0.5", []int{1}, "5"}, {"3.05", []int{-1}, "0.305"},
		{"34.00", []int{-2}, "0.340"}, {"7", []int{-3}, "0.007"}, {"0", []int{2}, "0"},
	} {
		b, err := board.Parse("discs 0")
		require.NoError(t, err)
		moves := []board.Move{{Kind: "digits", Args: discs.DigitsArgs{Number: c.typed}}}
		for _, by := range c.by {
			moves = append(moves, shifted(by, false))
		}
		b, err = board.ApplyAll(b, moves)
		require.NoError(t, err, c.typed)
		assert.Equal(t, c.reads, b.Lay(0).Settings["digits"], c.typed)
	}
	b, err := board.Parse("discs 0")
	require.NoError(t, err)
	b, err = board.ApplyAll(b, []board.Move{{Kind: "digits", Args: discs.DigitsArgs{Number: "0.005"}}})
	require.NoError(t, err)
	_, _, err = board.Apply(b, shifted(-1, false))
	require.Error(t, err, "there is no place below thousandths")
}

// With digit cards below the discs, the zeros of the number go along, both ways.
func TestZerosTravelBelowTheDiscs(t *testing.T) {
	for _, c := range []struct {
		start string
		by    []int
		reads string
	}{
		{"discs 3th 4h", []int{-2}, "34.00"}, {"discs 3th 4h", []int{-2, 2}, "3400"}, {"discs 1h 2t", []int{-2}, "1.20"},
		{"discs 3t 4o", []int{-2}, "0.34"}, {"discs 3t 4o", []int{2}, "3400"}, {"discs 5.t", []int{1}, "5"},
	} {
		b, err := board.Parse(c.start)
		require.NoError(t, err)
		moves := []board.Move{{Kind: "cards", Args: discs.CardsArgs{Shown: true}}}
		for _, by := range c.by {
			moves = append(moves, shifted(by, false))
		}
		b, err = board.ApplyAll(b, moves)
		require.NoError(t, err)
		assert.Equal(t, c.reads, cardsOf(b), "%s %v", c.start, c.by)
	}
}

func TestNeedlessZerosArePutAway(t *testing.T) {
	b, err := board.Parse("discs 1h 2t")
	require.NoError(t, err)
	b, err = board.ApplyAll(b, []board.Move{{Kind: "cards", Args: discs.CardsArgs{Shown: true}}})
	require.NoError(t, err)
	b, effect, err := board.Apply(b, shifted(-2, false))
	require.NoError(t, err)
	require.Len(t, effect.Also, 1)
	assert.Equal(t, "Which zeros need not be written?", effect.Also[0].Text(say.Vocabulary{}), "it is asked")
	assert.Equal(t, "yes", b.Lay(0).Settings["needless"])
	b, err = board.ApplyAll(b, []board.Move{{Kind: "needless"}})
	require.NoError(t, err)
	assert.Equal(t, "1.2", cardsOf(b))
	assert.Empty(t, b.Lay(0).Settings["needless"])
}

// The start row tells its number in digits, and stands through later shifts.
func TestTheStartRowTellsItsDigits(t *testing.T) {
	b, err := board.Parse("discs 1h 6o")
	require.NoError(t, err)
	b, err = board.ApplyAll(b, []board.Move{shifted(-1, true), shifted(-1, false)})
	require.NoError(t, err)
	assert.Equal(t, "106", startOf(b))
	alone, err := board.ApplyAll(b, []board.Move{{Kind: "clear"},
		{Kind: "digits", Args: discs.DigitsArgs{Number: "34.0"}}, shifted(-1, true),
		shifted(-1, false)})
	require.NoError(t, err)
	assert.Equal(t, "340", startOf(alone))
	raw, err := json.Marshal(alone)
	require.NoError(t, err)
	var again board.Board
	require.NoError(t, json.Unmarshal(raw, &again))
	assert.Equal(t, "340", startOf(again), "it is kept in the file")
	alone, err = board.ApplyAll(alone, []board.Move{{Kind: "dropStart"}})
	require.NoError(t, err)
	assert.Empty(t, startOf(alone))
}

// Whatever digits are shifted, what they are worth is multiplied by that power of ten, and
// back again the number is as it was written, but for zeros that had no place.
func TestDigitsAloneAreWorthWhatTheShiftSays(t *testing.T) {
	r := proptest.Random(3)
	for range min(proptest.Cases(), 2000) {
		n := place.Written{Number: place.Int(r.IntN(100_000)), Decimals: r.IntN(4)}
		by := r.IntN(7) - 3
		want, err := n.Shift(by)
		if by == 0 || err != nil {
			continue
		}
		b, err := board.Parse("discs 0")
		require.NoError(t, err)
		b, err = board.ApplyAll(b, []board.Move{{Kind: "digits", Args: discs.DigitsArgs{Number: n.String()}},
			shifted(by, false)})
		require.NoError(t, err, "%s %d", n, by)
		got, err := place.Parse(b.Lay(0).Settings["digits"])
		require.NoError(t, err)
		assert.Equal(t, want, got.Number, "%s %d", n, by)
	}
}

// What a track holds is read at a glance: its places apart, and of each five and five.
func TestATrackTellsItsPlacesApart(t *testing.T) {
	for _, c := range []struct {
		counts [3]int
		lies   string
	}{
		{[3]int{0, 2, 4}, "tt oooo"}, {[3]int{1, 2, 6}, "h tt ooooo o"}, {[3]int{0, 0, 7}, "ooooo oo"},
		{[3]int{0, 5, 5}, "ttttt ooooo"}, {[3]int{0, 6, 4}, "ttttt t oooo"}, {[3]int{0, 0, 12}, "ooooo ooooo/oo"},
		{[3]int{0, 9, 9}, "ttttt tttt o/ooooo ooo"}, {[3]int{}, ""},
	} {
		var list []string
		for i, name := range []string{"hundreds", "tens", "ones"} {
			if n := c.counts[i]; n > 0 {
				list = append(list, fmt.Sprintf(`{"place": %q, "count": %d, "group": 2}`, name, n))
			}
		}
		raw := `{"kind": "discs", "groups": 2, "pieces": [` + strings.Join(list, ", ") + `]}`
		var b board.Board
		require.NoError(t, json.Unmarshal([]byte(`{"models": [`+raw+`]}`), &b))
		l := b.Lay(0)
		lies, end := "", board.Sprite{}
		for _, p := range l.Pieces {
			switch {
			case lies == "":
			case p.Y > end.Y:
				lies += "/"
			case p.X-end.X > end.W+8:
				lies += " "
			}
			lies, end = lies+p.Drawing[len("disc "):len("disc ")+1], p
		}
		assert.Equal(t, c.lies, lies)
		var tracks []board.Zone
		for _, z := range l.Zones {
			if strings.HasPrefix(z.ID, "group") {
				tracks = append(tracks, z)
			}
		}
		require.Len(t, tracks, 2)
		for _, p := range l.Pieces {
			inside := int(p.X+p.W) <= tracks[1].X+tracks[1].W && int(p.Y+p.H) <= tracks[1].Y+tracks[1].H
			assert.True(t, inside, "%s: a disc stands out of its track", c.lies)
		}
	}
}
