package live_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"

	"unitbloom/internal/live"
)

// hubs are those that keep the contract of Events.
var hubs = map[string]func(now func() time.Time) live.Events{
	"one server": func(now func() time.Time) live.Events { return live.New(now) },
}

func TestEventsAreToldAndPeopleAreSeen(t *testing.T) {
	for name, open := range hubs {
		t.Run(name, func(t *testing.T) {
			now := time.Now()
			h := open(func() time.Time { return now })

			// A topic is heard by those who listen to it, until they leave.
			one, leave := h.Listen("class a")
			other, _ := h.Listen("class b")
			h.Tell("class a", "set 1")
			assert.Equal(t, "set 1", <-one)
			assert.Empty(t, other)
			leave()
			h.Tell("class a", "set 2")
			assert.Empty(t, one)

			// A listener that is behind never holds up the others; it hears the first of what it missed and
			// then its end, so that it reads all anew. To leave after that is no fault.
			slow, leave := h.Listen("a")
			for range 1000 {
				h.Tell("a", "changed")
			}
			heard := 0
			for range slow {
				heard++
			}
			assert.Greater(t, heard, 0)
			assert.Less(t, heard, 1000)
			leave()
			again, _ := h.Listen("a")
			h.Tell("a", "changed")
			assert.Equal(t, "changed", <-again)

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
		})
	}
}
