package manual_test

import (
	"os"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/method"
	"unitbloom/internal/manual"
)

func TestThePublishedPagesAreFresh(t *testing.T) {
	for name, want := range manual.Pages() {
		page, err := os.ReadFile("../../docs/" + name)
		require.NoError(t, err)
		assert.Equal(t, want, string(page), "run make generate")
	}
}

func TestEveryMethodIsOnThePage(t *testing.T) {
	page := manual.Methods()
	for _, spec := range method.Specs() {
		assert.Contains(t, page, "(`"+spec.ID+"`)")
	}
	assert.NotContains(t, page, "{")
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
