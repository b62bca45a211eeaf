package model_test

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/model/counters"
	"unitbloom/core/model/discs"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// play makes moves in their JSON form on a board in notation.
func play(t testing.TB, notation string, moves ...string) (board.Board, error) {
	t.Helper()
	b, err := board.Parse(notation)
	require.NoError(t, err)
	for _, text := range moves {
		var mv board.Move
		require.NoError(t, json.Unmarshal([]byte(text), &mv))
		if b, _, err = board.Apply(b, mv); err != nil {
			return b, err
		}
	}
	return b, nil
}

func printed(t testing.TB, notation string, moves ...string) string {
	t.Helper()
	b, err := play(t, notation, moves...)
	require.NoError(t, err, moves)
	return board.Print(b)
}

func TestAllWaysMissNoneAndRepeatNone(t *testing.T) {
	for n := 1; n <= counters.MaxWays; n++ {
		for _, both := range []bool{false, true} {
			b, err := play(t, fmt.Sprintf("counters %d", n), fmt.Sprintf(`{"kind":"ways","both":%t}`, both))
			if both && n < 2 {
				require.Error(t, err)
				continue
			}
			require.NoError(t, err)
			var saved board.Board
			require.NoError(t, json.Unmarshal([]byte(asJSON(t, b)), &saved), "a file can hold it")
			c := b.Models[0].(counters.Counters)
			want := n + 1
			if both {
				want = n - 1
			}
			require.Len(t, c.Frames, want)
			firsts := make([]int, want)
			for _, k := range c.List {
				if !k.Mint {
					firsts[k.Frame-1]++
				}
			}
			for i := 1; i < want; i++ {
				require.Equal(t, firsts[i-1]-1, firsts[i], "in order, one fewer each time")
			}
			require.Equal(t, fmt.Sprint(n*want), board.Total(b.Models[0]).String())
		}
	}
}

func TestSharingAgreesWithDivision(t *testing.T) {
	for n := range 41 {
		for groups := 1; groups <= 12; groups++ {
			b, err := play(t, fmt.Sprintf("counters %d", n), fmt.Sprintf(`{"kind":"groups","count":%d}`, groups),
				`{"kind":"share"}`)
			if n < groups {
				require.EqualError(t, err, fmt.Sprintf("%d left. One for each of %d groups needs %d.", n, groups, groups))
				continue
			}
			require.NoError(t, err)
			text := fmt.Sprintf("counters %d @", n%groups) + strings.Repeat(fmt.Sprintf(" %d", n/groups), groups)
			require.Equal(t, text, board.Print(b))
			again, err := board.ApplyAll(b, []board.Move{{Kind: "gather"}})
			require.NoError(t, err)
			require.Equal(t, fmt.Sprint(n), board.Total(again.Models[0]).String())
		}
	}
}

func TestEveryDealIsAStage(t *testing.T) {
	b, err := play(t, "counters 14", `{"kind":"groups","count":4}`)
	require.NoError(t, err)
	_, effect, err := board.Apply(b, board.Move{Kind: "share"})
	require.NoError(t, err)
	require.Len(t, effect.Stages, 2, "three rounds: two on the way, and the last")
	assert.Equal(t, "counters 10 @ 1 1 1 1", board.Print(effect.Stages[0]))
	assert.Equal(t, "counters 6 @ 2 2 2 2", board.Print(effect.Stages[1]))
}

func TestArraysGrowShrinkTurnAndSplit(t *testing.T) {
	for rows := 1; rows <= 12; rows++ {
		for columns := 1; columns <= 12; columns++ {
			b, err := play(t, "counters 0", fmt.Sprintf(`{"kind":"array","rows":%d,"columns":%d}`, rows, columns))
			require.NoError(t, err)
			require.Equal(t, fmt.Sprint(rows*columns), board.Total(b.Models[0]).String())
			turned, err := board.ApplyAll(b, []board.Move{{Kind: "turn", Args: counters.FrameArgs{Frame: 1}}})
			require.NoError(t, err)
			require.Equal(t, board.Total(b.Models[0]), board.Total(turned.Models[0]))
			require.Contains(t, readOut(t, turned, 0, "array"), fmt.Sprintf("%d rows of %d", columns, rows))
			if rows < 12 {
				grown, err := board.ApplyAll(b, []board.Move{{Kind: "grow", Args: counters.GrowArgs{Frame: 1}}})
				require.NoError(t, err)
				require.Equal(t, fmt.Sprint((rows+1)*columns), board.Total(grown.Models[0]).String())
				back, err := board.ApplyAll(grown, []board.Move{{Kind: "grow", Args: counters.GrowArgs{Frame: 1, Less: true}}})
				require.NoError(t, err)
				require.Equal(t, board.Print(b), board.Print(back))
			}
		}
	}
	b, err := play(t, "counters 7x6: 42", `{"kind":"split","after":5}`)
	require.NoError(t, err)
	assert.Equal(t, "7 rows of 6: 7 × 6 = 42; 7 × 6 = 5 × 6 + 2 × 6", readOut(t, b, 0, "array"))
}

func TestUnitsAreRenamedWithTheirValue(t *testing.T) {
	b, err := play(t, "counters 8", `{"kind":"unit","name":"bulbs"}`)
	require.NoError(t, err)
	assert.Equal(t, "8 bulbs", readOut(t, b, 0, "counted"))
	assert.Equal(t, "8", board.Total(b.Models[0]).String())
	b, err = board.ApplyAll(b, []board.Move{{Kind: "unit", Args: counters.UnitArgs{Name: "thousands"}}})
	require.NoError(t, err)
	assert.Equal(t, "8000", board.Total(b.Models[0]).String())
	assert.Equal(t, "8 thousands", b.Models[0].InPlay().String())
	_, err = play(t, "counters 20", `{"kind":"unit","name":"millions"}`)
	assert.Error(t, err, "twenty millions are out of range")
}

func TestCountersOverflowBesideTheirFrames(t *testing.T) {
	b, err := play(t, "counters 2x5: 0", `{"kind":"build","amount":"8 + 5"}`)
	require.NoError(t, err)
	lying := map[string]int{}
	for _, s := range b.Lay(0).Pieces {
		lying[s.Zone]++
	}
	assert.Equal(t, map[string]int{"frame 1": 10, "beside": 3}, lying)
	assert.Equal(t, "13 = 8 + 5", readOut(t, b, 0, "bond"))
	assert.Equal(t, "13 = 5 + 8", readOut(t, mustPlay(t, b, `{"kind":"swap"}`), 0, "bond"))
}

func TestCountersGoIntoTheFrameThatIsNamed(t *testing.T) {
	lying := func(b board.Board) map[string]int {
		in := map[string]int{}
		for _, s := range b.Lay(0).Pieces {
			in[s.Zone]++
		}
		return in
	}
	two, err := play(t, "counters 2x5 2x5: 0", `{"kind":"place","count":8,"frame":1}`,
		`{"kind":"place","count":5,"mint":true,"frame":2}`)
	require.NoError(t, err)
	assert.Equal(t, map[string]int{"frame 1": 8, "frame 2": 5}, lying(two))

	// Two go over to make ten: into the cells that are free, the named one first.
	ten := mustPlay(t, two, `{"kind":"put","group":0,"frame":1,"cell":10,"pieces":[{"place":"ones","slots":[8,9]}]}`)
	assert.Equal(t, map[string]int{"frame 1": 10, "frame 2": 3}, lying(ten))
	assert.Equal(t, "13", board.Total(ten.Models[0]).String())
	lay := board.LayOut(ten.Models[0])
	assert.Equal(t, lay.Pieces[4].X, lay.Pieces[8].X, "the tenth cell is under the fifth")
	assert.Less(t, lay.Pieces[9].X, lay.Pieces[8].X)

	// A counter changes its cell within a full frame; one that is taken does not come.
	assert.Equal(t, lying(ten), lying(mustPlay(t, ten,
		`{"kind":"put","group":0,"frame":1,"cell":3,"pieces":[{"place":"ones","slots":[0]}]}`)))
	for _, c := range []struct{ move, why string }{
		{`{"kind":"put","group":0,"frame":1,"pieces":[{"place":"ones","slots":[10,11]}]}`,
			"Frame 1 has room for 0 more, not for 2."},
		{`{"kind":"place","count":8,"frame":2}`, "Frame 2 has room for 7 more, not for 8."},
		{`{"kind":"put","group":0,"frame":3,"pieces":[{"place":"ones","slots":[0]}]}`,
			"There is no frame 3. This mat has 2."},
	} {
		var mv board.Move
		require.NoError(t, json.Unmarshal([]byte(c.move), &mv))
		_, _, err := board.Apply(ten, mv)
		assert.EqualError(t, err, c.why)
	}
}

func mustPlay(t testing.TB, b board.Board, text string) board.Board {
	var mv board.Move
	require.NoError(t, json.Unmarshal([]byte(text), &mv))
	next, _, err := board.Apply(b, mv)
	require.NoError(t, err)
	return next
}

// Every train of up to twenty snaps between any two cubes and is whole again
// when it is joined.
func TestTrainsSnapAnywhereAndJoin(t *testing.T) {
	for n := 2; n <= 20; n++ {
		for at := 1; at < n; at++ {
			b, err := play(t, fmt.Sprintf("cubes %d", n), fmt.Sprintf(`{"kind":"snap","train":1,"after":%d}`, at))
			require.NoError(t, err)
			require.Equal(t, fmt.Sprintf("cubes %d %d", at, n-at), board.Print(b))
			require.Equal(t, fmt.Sprintf("%d = %d + %d", n, at, n-at), readOut(t, b, 0, "bond"))
			require.Equal(t, fmt.Sprintf("cubes %d", n), board.Print(mustPlay(t, b, `{"kind":"join","train":1,"with":2}`)))
		}
		seen := map[string]bool{}
		for seed := range 400 {
			seen[printed(t, fmt.Sprintf("cubes %d", n), fmt.Sprintf(`{"kind":"snap","train":1,"seed":%d}`, seed))] = true
		}
		require.Len(t, seen, n-1, "every place comes by chance")
	}
	_, err := play(t, "cubes 12 9", `{"kind":"join","train":1,"with":2}`)
	assert.EqualError(t, err, "21 cubes do not fit in a train. A train has at most 20.")
	assert.Equal(t, "cubes 1T 3", printed(t, "cubes 13", `{"kind":"tower","train":1}`))
	_, err = play(t, "cubes 6", `{"kind":"tower","train":1}`)
	assert.EqualError(t, err, "6 ones here. A ten needs 4 more.")
	assert.Equal(t, "cubes 5 3", printed(t, "cubes 3 5", `{"kind":"largerFirst"}`))
}

// A shift is exact, comes back, and is refused past either end of the chart.
func TestShiftsAreExactAndComeBack(t *testing.T) {
	for _, text := range []string{"discs 3o 5.h", "discs 6h 4t", "discs 1m", "discs 9th 9h 9t 9o 9.t", "discs 0",
		"discs 12o 3.t"} {
		b, err := board.Parse(text)
		require.NoError(t, err)
		for by := -3; by <= 3; by++ {
			if by == 0 {
				continue
			}
			next, _, err := board.Apply(b, board.Move{Kind: "shift", Args: discs.ShiftArgs{By: by}})
			want, outside := board.Total(b.Models[0]).Shift(by)
			if outside != nil {
				require.Error(t, err, "%s by %d", text, by)
				continue
			}
			if err != nil {
				continue // a disc would leave the chart though the number would not
			}
			require.Equal(t, want, board.Total(next.Models[0]))
			back, _, err := board.Apply(next, board.Move{Kind: "shift", Args: discs.ShiftArgs{By: -by}})
			require.NoError(t, err)
			require.Equal(t, board.Print(b), board.Print(back))
		}
	}
	_, err := play(t, "discs 1m", `{"kind":"shift","by":1}`)
	assert.EqualError(t, err, "The millions cannot go × 10: the chart runs from millions to thousandths.")
}

func TestThePointNeverMovesAndZerosTravel(t *testing.T) {
	b, err := play(t, "discs 3o 5.h", `{"kind":"columns","top":"hundreds","bottom":"hundredths"}`,
		`{"kind":"cards","shown":true}`)
	require.NoError(t, err)
	point := func(b board.Board) board.Decor {
		for _, d := range b.Lay(0).Decor {
			if d.Kind == "point" {
				return d
			}
		}
		t.Fatal("no point")
		return board.Decor{}
	}
	cards := func(b board.Board) map[board.PieceID]string {
		out := map[board.PieceID]string{}
		for _, s := range b.Lay(0).Pieces {
			if s.Drawing == "card" {
				out[s.ID] = s.Text
			}
		}
		return out
	}
	next := mustPlay(t, b, `{"kind":"shift","by":1}`)
	assert.Equal(t, point(b), point(next))
	for id, digit := range cards(b) {
		if was, there := cards(next)[id]; there {
			assert.Equal(t, digit, was, "each digit goes along as itself")
		}
	}
	assert.Len(t, cards(next), 3, "3, 0 and 5: the zero went too")
}

// Steps go through every number, up and down, and cross tens and hundreds.
func TestStepsGoThroughEveryNumber(t *testing.T) {
	for _, kind := range []string{"blocks", "discs"} {
		b, err := board.Parse(kind + " 0")
		require.NoError(t, err)
		for n := 1; n <= 1101; n++ {
			b = mustPlay(t, b, `{"kind":"step","place":"ones"}`)
			require.Equal(t, fmt.Sprint(n), board.Total(b.Models[0]).String())
			require.Equal(t, place.Int(n).UnitForm(), b.Models[0].InPlay(), "always regrouped")
		}
		for n := 1100; n >= 0; n-- {
			b = mustPlay(t, b, `{"kind":"step","place":"ones","down":true}`)
			require.Equal(t, fmt.Sprint(n), board.Total(b.Models[0]).String())
		}
		_, _, err = board.Apply(b, board.Move{Kind: "step", Args: json.RawMessage(nil)})
		require.Error(t, err)
	}
}

func TestMentalSumsOnTheRackAgreeWithReckoning(t *testing.T) {
	for a := range 101 {
		for n := range 101 {
			b, err := play(t, "rack 10: 0", fmt.Sprintf(`{"kind":"build","amount":"%d"}`, a))
			require.NoError(t, err)
			for kind, want := range map[string]int{"more": a + n, "less": a - n} {
				var mv board.Move
				require.NoError(t, json.Unmarshal(fmt.Appendf(nil, `{"kind":%q,"amount":"%d"}`, kind, n), &mv))
				next, _, err := board.Apply(b, mv)
				if want < 0 || want > 100 {
					require.Error(t, err)
				} else if err == nil {
					require.Equal(t, fmt.Sprint(want), board.Total(next.Models[0]).String())
				} else {
					require.Contains(t, err.Error(), "There are not", "only whole rows may be wanting")
				}
			}
		}
	}
}

// A larger picture has the ones in fives, each stack by itself: none missing, none on another, and
// the pieces of a stack nearer to one another than to the next.
func TestALargerPictureLaysOnesInFives(t *testing.T) {
	for _, c := range []struct {
		notation string
		stacks   []int
	}{
		{"blocks 1h 4t 6o", []int{6}}, {"blocks 6o + 7o", []int{6, 7}}, {"blocks 24o", []int{10, 10, 4}},
		{"blocks 6o + 6o + 6o + 6o", []int{6, 6, 6, 6}}, {"blocks 2t", nil}, {"discs 1t 6o", nil},
	} {
		b, err := board.Parse(c.notation)
		require.NoError(t, err)
		l := b.LayIn(0, board.Room{Tight: true})
		ones := l.InFives()
		total := 0
		for _, n := range c.stacks {
			for i, p := range ones[total : total+n] {
				first := ones[total]
				assert.Equal(t, [2]int32{int32(i%5) * 11, int32(i/5) * 11}, [2]int32{p.X - first.X, p.Y - first.Y}, c.notation)
			}
			total += n
		}
		assert.Len(t, ones, total, c.notation)
		at := map[[2]int32]bool{}
		for _, p := range ones {
			assert.False(t, at[[2]int32{p.X, p.Y}], "%s: two at %d, %d", c.notation, p.X, p.Y)
			at[[2]int32{p.X, p.Y}] = true
		}
	}
}

func TestAHundredOpensToOnesInTwoStages(t *testing.T) {
	b, err := board.Parse("discs 1h")
	require.NoError(t, err)
	var mv board.Move
	require.NoError(t, json.Unmarshal([]byte(`{"kind":"unbundle","place":"hundreds","to":"ones"}`), &mv))
	next, effect, err := board.Apply(b, mv)
	require.NoError(t, err)
	require.Len(t, effect.Stages, 1)
	assert.Equal(t, "discs 10t", board.Print(effect.Stages[0]))
	assert.Equal(t, "discs 100o", board.Print(next))
}

func TestALinkedModelUnlinksWithTheReason(t *testing.T) {
	b, err := play(t, "blocks 1t 4o | rack 2: 3", `{"kind":"link","with":1}`)
	require.NoError(t, err)
	assert.Equal(t, "blocks 3o | rack 2: 3 0", board.Print(b))
	var mv board.Move
	require.NoError(t, json.Unmarshal([]byte(`{"kind":"build","amount":"1250"}`), &mv))
	next, effect, err := board.Apply(b, mv)
	require.NoError(t, err)
	assert.Equal(t, "blocks 1th 2h 5t | rack 2: 3 0", board.Print(next))
	require.Len(t, effect.Also, 1)
	assert.Contains(t, effect.Also[0].Text(say.Vocabulary{}), "1250 does not fit. A rack of 2 rows holds 20.")
	assert.False(t, next.Tiles[0].Linked)
	// The same regrouping where it can be held.
	b, err = play(t, "discs 0 | blocks 0", `{"kind":"link","with":1}`, `{"kind":"build","amount":"2 hundreds 14 tens"}`)
	require.NoError(t, err)
	assert.Equal(t, "discs 2h 14t | blocks 2h 14t", board.Print(b))
}

func TestFreeCoversStayOnTheirZone(t *testing.T) {
	b, err := play(t, "blocks 4t 6o", `{"kind":"cover","zone":"ones","at":{"x":4,"y":6,"w":30,"h":40}}`)
	require.NoError(t, err)
	before := b.CoversOn(0)[0]
	grown := mustPlay(t, b, `{"kind":"place","amount":"1 hundred"}`)
	after := grown.CoversOn(0)[0]
	ones := func(b board.Board) board.Zone {
		l := b.Lay(0)
		return l.Zones[len(l.Zones)-1]
	}
	assert.Equal(t, before.X-ones(b).X, after.X-ones(grown).X, "it stays on the ones when a column appears")
	assert.Greater(t, after.X, before.X)
	for _, r := range grown.ReadOuts(0, say.Vocabulary{}) {
		assert.True(t, r.Safe || r.Text == board.Hidden, r.ID)
	}
}

func TestKeptCopiesAreNotCounted(t *testing.T) {
	b, err := play(t, "blocks 13o", `{"kind":"keep"}`, `{"kind":"bundle","place":"ones"}`)
	require.NoError(t, err)
	assert.Equal(t, "13", board.Total(b.Models[0]).String())
	require.Len(t, b.Tiles[0].Kept, 1)
	assert.Equal(t, "13 ones", b.Tiles[0].Kept[0].InPlay().String())
	assert.Equal(t, 4+13, b.Pieces(), "but they take room")
	_, err = play(t, "blocks 1o", `{"kind":"keep"}`, `{"kind":"keep"}`, `{"kind":"keep"}`, `{"kind":"keep"}`)
	assert.EqualError(t, err, "A model keeps at most 3 copies. Put one away first.")
}
