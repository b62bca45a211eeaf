package door_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/door"
	"unitbloom/core/say"
	"unitbloom/core/task"
)

// A picture stands in a room that is wider than high: rods beyond ten lie beside the ten.
func TestPicturesAreBroad(t *testing.T) {
	show := task.Task{Kind: "build", About: []string{"146"}}
	heights := map[string]int{}
	for _, text := range []string{"blocks 1h 4t 6o", "blocks 14t 6o"} {
		v, err := door.Work(show, task.Answer{"board": text}, say.Vocabulary{})
		require.NoError(t, err)
		heights[text] = v.Views[0].Models[0].H
	}
	assert.Equal(t, heights["blocks 1h 4t 6o"], heights["blocks 14t 6o"], "no second row of rods")
}
