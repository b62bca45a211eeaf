package live_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"

	"unitbloom/internal/live"
)

func TestATopicIsHeardByThoseWhoListen(t *testing.T) {
	h := live.New(time.Now)
	one, leave := h.Listen("class a")
	other, _ := h.Listen("class b")
	h.Tell("class a", "set 1")
	assert.Equal(t, "set 1", <-one)
	assert.Empty(t, other)
	leave()
	h.Tell("class a", "set 2")
	assert.Empty(t, one)
}

// A listener that is behind never holds up the others; it hears the first of what it missed,
// and reads all anew.
func TestASlowListenerHoldsNobodyUp(t *testing.T) {
	h := live.New(time.Now)
	slow, _ := h.Listen("a")
	for range 1000 {
		h.Tell("a", "changed")
	}
	assert.NotEmpty(t, slow)
	assert.Less(t, len(slow), 1000)
}

func TestWhoWasThere(t *testing.T) {
	now := time.Now()
	h := live.New(func() time.Time { return now })
	_, seen := h.Ago("Mirren")
	assert.False(t, seen)
	h.See("Mirren")
	now = now.Add(time.Minute)
	ago, seen := h.Ago("Mirren")
	assert.True(t, seen)
	assert.Equal(t, time.Minute, ago)
	h.Forget("Mirren")
	_, seen = h.Ago("Mirren")
	assert.False(t, seen)
}
