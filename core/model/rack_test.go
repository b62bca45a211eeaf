package model_test

import (
	"errors"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/model/rack"
)

func typed(kind, amount string) board.Move {
	return board.Move{Kind: kind, Args: rack.NumberArgs{Amount: amount}}
}

func TestEachAddendOfASumBeginsARowOfTheRack(t *testing.T) {
	for amount, want := range map[string]string{
		"8 + 6": "rack 5: 8 6 0 0 0", "8+6+4": "rack 5: 8 6 4 0 0", "14 + 6": "rack 5: 10 4 6 0 0",
		"24":    "rack 5: 10 10 4 0 0",
		"0 + 6": "rack 5: 0 6 0 0 0", "10 + 10": "rack 5: 10 10 0 0 0", "1 ten + 3": "rack 5: 10 3 0 0 0",
	} {
		b, err := board.Parse("rack 5: 1 2 3")
		require.NoError(t, err)
		next, _, err := board.Apply(b, typed("build", amount))
		require.NoError(t, err, amount)
		assert.Equal(t, want, board.Print(next), amount)
	}
}

// What needs more rows is refused with the rows in one press; what no rack holds is not
// offered.
func TestTheRackOffersTheRowsThatAreMissing(t *testing.T) {
	for _, c := range []struct{ start, kind, amount, says, then string }{
		{"rack 2: 6 8", "build", "21", "21 needs 3 rows. The rack has 2.", "rack 3: 10 10 1"},
		{"rack 2: 6 8", "build", "8 + 6 + 4", "8 + 6 + 4 needs 3 rows. The rack has 2.", "rack 3: 8 6 4"},
		{"rack 3: 10 10 4", "more", "10", "10 needs 4 rows. The rack has 3.", "rack 4: 10 10 4 10"},
		{"rack 3: 10 10 4", "more", "6", "", "rack 3: 10 10 10"},
		{"rack 3: 10 10 4", "more", "7", "7 needs 4 rows. The rack has 3.", "rack 4: 10 10 10 1"},
		{"rack 2: 10 10", "more", "0", "", "rack 2: 10 10"},
		{"rack 1: 0", "build", "101", "101 does not fit. A rack of 10 rows holds 100.", ""},
		{"rack 10: 10 10 10 10 10 10 10 10 10 5", "more", "6", "101 does not fit. A rack of 10 rows holds 100.", ""},
	} {
		b, err := board.Parse(c.start)
		require.NoError(t, err)
		next, _, err := board.Apply(b, typed(c.kind, c.amount))
		if c.says != "" {
			require.EqualError(t, err, c.says)
			var offering board.Offering
			require.Equal(t, c.then != "", errors.As(err, &offering), c.amount)
			if c.then == "" {
				continue
			}
			next, _, err = board.Apply(b, offering.Offer.Move)
		}
		require.NoError(t, err, "%s %s", c.kind, c.amount)
		assert.Equal(t, c.then, board.Print(next), "%s %s", c.kind, c.amount)
	}
}
