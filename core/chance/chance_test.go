package chance_test

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/chance"
)

func TestThrowsAreFairAndRepeat(t *testing.T) {
	for kind, sides := range map[string][2]int{"six": {1, 6}, "ten": {0, 9}, "spinner": {0, 9}, "cards": {0, 9}} {
		seen := map[int]int{}
		for seed := range uint64(6000) {
			digits, err := chance.Throw(kind, 2, seed)
			require.NoError(t, err)
			again, _ := chance.Throw(kind, 2, seed)
			require.Equal(t, digits, again)
			if kind == "cards" {
				require.NotEqual(t, digits[0], digits[1], "a card is drawn once")
			}
			for _, d := range digits {
				seen[d]++
			}
		}
		want := 12000 / (sides[1] - sides[0] + 1)
		require.Len(t, seen, sides[1]-sides[0]+1)
		for d, n := range seen {
			assert.InDeltaf(t, want, n, float64(want)/8, "%s: %d", kind, d)
		}
	}
	all, err := chance.Throw("cards", 10, 7)
	require.NoError(t, err)
	slices.Sort(all)
	assert.Equal(t, []int{0, 1, 2, 3, 4, 5, 6, 7, 8, 9}, all)
	_, err = chance.Throw("coin", 1, 0)
	assert.ErrorContains(t, err, `"coin" cannot be thrown`)
	_, err = chance.Throw("six", 0, 0)
	assert.Error(t, err)
}
