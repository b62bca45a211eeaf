package method_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/method"
	"unitbloom/internal/proptest"
)

func TestAChildsWayIsFoundInWhatLiesThere(t *testing.T) {
	for _, c := range []struct {
		board, said, sum string
		sizes            []int
	}{
		{"rack 2: 8 5", "8 and 2 more and 3", "8 + 2 + 3", []int{8, 2, 3}},
		{"rack 2: 8 5", "two fives and 3", "2 × 5 + 3", []int{5, 5, 3}},
		{"rack 2: 7 8", "double 7 and 1", "2 × 7 + 1", []int{7, 7, 1}},
		{"rack 2: 8 0", "10 take away 2", "10 − 2", []int{8}},
		{"rack 2: 8 5", "I see ten less 2, then 5", "10 + 5 − 2", []int{13}},
		{"counters 6x7: 42", "7 sixes", "7 × 6", []int{6, 6, 6, 6, 6, 6, 6}},
		{"counters 2x5: 6 + 3", "six and three", "6 + 3", []int{6, 3}},
		{"cubes 5a4b", "5 + 4", "5 + 4", []int{5, 4}},
		{"rack 2: 10 3", "10 and three ones", "10 + 3", []int{10, 3}},
		{"counters 12", "3 × 4", "3 × 4", []int{4, 4, 4}},
	} {
		b, err := board.Parse(c.board)
		require.NoError(t, err)
		way, err := method.TakeIn(b, 0, c.said, nil)
		require.NoError(t, err, c.said)
		assert.Equal(t, c.sum, way.Sum, c.said)
		var sizes []int
		for _, ring := range way.Rings {
			sizes = append(sizes, len(ring))
		}
		assert.Equal(t, c.sizes, sizes, c.said)
	}
}

// The parts are rings of what stands together: the two fives of two rows are the pine
// beads of both, and no bead of another part.
func TestThePartsOfAWayStandTogether(t *testing.T) {
	b, err := board.Parse("rack 2: 8 5")
	require.NoError(t, err)
	way, err := method.TakeIn(b, 0, "two fives and 3", nil)
	require.NoError(t, err)
	rows := map[board.PieceID]string{}
	for _, p := range b.Lay(0).Pieces {
		rows[p.ID] = p.Zone
	}
	for i, row := range []string{"row 1", "row 2", "row 1"} {
		for _, id := range way.Rings[i] {
			assert.Equal(t, row, rows[id])
		}
	}
}

func TestAWayThatIsNotThereIsRefused(t *testing.T) {
	for _, c := range []struct{ board, said, why string }{
		{"rack 2: 8 5", "8 and 4", `“8 and 4” comes to 12, and there are 13.`},
		{"rack 2: 8 5", "lots", `“lots” is not a number here. Write what was seen like 8 and 2 more, or two fives and 3.`},
		{"rack 2: 8 5", "13", `“13” is not two parts or more. Write what was seen like 8 and 2 more.`},
		{"rack 2: 8 5", "double", `“double” is not a number here. Write what was seen like 8 and 2 more, or two fives and ` +
			`3.`},
		{"rack 2: 8 5", "", "Say what was seen, or draw round the parts. One part at least stays outside."},
		{"rack 2: 0 0", "1 and 2", "There is nothing to count."},
		{"blocks 1t 3o", "10 and 3", "A way is looked for where each piece counts one."},
	} {
		b, err := board.Parse(c.board)
		require.NoError(t, err)
		_, err = method.TakeIn(b, 0, c.said, nil)
		require.EqualError(t, err, c.why)
	}
}

// What is drawn round is a way as what is said is, and both must agree.
func TestAWayIsDrawnRound(t *testing.T) {
	b, err := board.Parse("counters 2x5: 9")
	require.NoError(t, err)
	var ids []board.PieceID
	for _, p := range b.Lay(0).Pieces {
		ids = append(ids, p.ID)
	}
	drawn := [][]board.PieceID{ids[:4], ids[3:6], {999}}
	way, err := method.TakeIn(b, 0, "", drawn)
	require.NoError(t, err)
	assert.Equal(t, "3 + 3 + 3", way.Sum, "a piece is in the last line round it, and what is outside is a part")
	_, err = method.TakeIn(b, 0, "three threes", drawn)
	require.NoError(t, err)
	_, err = method.TakeIn(b, 0, "5 and 4", drawn)
	require.EqualError(t, err, `“5 and 4” was said, and 3 + 3 + 3 was drawn round.`)
	covered, _, err := board.Apply(b, board.Move{Kind: "cover", Args: board.CoverArgs{Zone: "all"}})
	require.NoError(t, err)
	_, err = method.TakeIn(covered, 0, "", drawn)
	require.EqualError(t, err, "Something is covered. Show it first.")
}

func TestOneWayInTwoWordingsIsOne(t *testing.T) {
	read := func(text string) method.Seen {
		s, err := method.ReadSeen(text)
		require.NoError(t, err, text)
		return s
	}
	for _, pair := range [][2]string{
		{"8 and 2 more and 3", "8, 2, 3"}, {"two fives and 3", "5 + 5 + 3"}, {"double 7 and 1", "1 and two sevens"},
		{"10 take away 2", "ten minus two"}, {"7 sixes", "7 × 6"}, {"3 and 8", "8 and 3"},
		{"10 take away 2 and 1", "ten minus 3"}, {"double 7 less 1 and 3", "14 take away 4"},
	} {
		assert.True(t, read(pair[0]).Alike(read(pair[1])), pair)
	}
	assert.False(t, read("10 take away 2").Alike(read("10 and 2")))
	assert.False(t, read("8 and 5").Alike(read("8, 2, 3")))
}

// Whatever parts a number is told in, every piece is in one ring, and each ring has as
// many as its part.
func TestEveryPieceIsInOnePartOfAWay(t *testing.T) {
	r := proptest.Random(11)
	for range min(proptest.Cases(), 500) {
		a, b := r.IntN(11), 1+r.IntN(10)
		n := a + b
		bd, err := board.Parse([]string{"rack 2: ", "counters 2x5 2x5: ", "counters "}[r.IntN(3)] + rowsOf(a, b))
		if err != nil {
			bd, err = board.Parse("counters " + itoa(n))
		}
		require.NoError(t, err)
		first := r.IntN(n + 1)
		second := r.IntN(n - first + 1)
		said := itoa(first) + " and " + itoa(second) + " and " + itoa(n-first-second)
		way, err := method.TakeIn(bd, 0, said, nil)
		if first == 0 || second == 0 || first+second == n {
			require.ErrorContains(t, err, "is not two parts", "nothing is no part")
			continue
		}
		require.NoError(t, err, said)
		seen := map[board.PieceID]bool{}
		for i, want := range []int{first, second, n - first - second} {
			require.Len(t, way.Rings[i], want, said)
			for _, id := range way.Rings[i] {
				require.False(t, seen[id])
				seen[id] = true
			}
		}
		require.Len(t, seen, n)
	}
}

func rowsOf(a, b int) string { return itoa(a) + " " + itoa(b) }
