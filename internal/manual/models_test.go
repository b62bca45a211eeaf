package manual_test

import (
	"os"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/internal/manual"
)

func TestThePublishedPageIsFresh(t *testing.T) {
	page, err := os.ReadFile("../../docs/models.md")
	require.NoError(t, err)
	assert.Equal(t, manual.Models(), string(page), "run make generate")
}

func TestEveryMoveIsOnThePage(t *testing.T) {
	page := manual.Models()
	for _, spec := range board.Specs() {
		assert.Contains(t, page, "## "+spec.Title)
		for _, mv := range spec.Moves {
			assert.Contains(t, page, "| `"+mv.Kind+"` |")
		}
	}
}
