package server

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
)

// Devices follow a stage while its page says that it is shown; a page that is gone without a word
// keeps no class from its tasks. What is told once is not told again.
func TestAStageIsOverWithItsPage(t *testing.T) {
	r := newRooms(time.Now)
	told := make(chan string, 10)
	tell := func(stage []byte) { told <- string(stage) }

	// While it is said again and again it stays, and devices hear of what is new alone.
	r.stageLives = time.Hour
	for _, stage := range []string{"one", "one", "two", "two"} {
		r.setStage("a", []byte(stage), tell)
	}
	r.setStage("b", []byte("other"), tell)
	assert.Equal(t, []string{"one", "two", "other"}, []string{<-told, <-told, <-told})

	// Without a word it is over, and devices are told.
	r.stageLives = time.Millisecond
	r.setStage("a", []byte("two"), tell)
	assert.Empty(t, <-told)
	assert.Empty(t, r.stage("a"))
	assert.Equal(t, "other", string(r.stage("b")))

	// One that was ended, and one that was shown anew, are not ended by the page before.
	r.setStage("a", []byte("three"), tell)
	r.stageLives = time.Hour
	r.setStage("a", []byte("four"), tell)
	for heard := range told {
		if heard == "four" {
			break
		}
		assert.Contains(t, []string{"three", ""}, heard)
	}
	assert.Equal(t, "four", string(r.stage("a")))
	r.setStage("a", nil, tell)
	assert.Empty(t, <-told)
	r.forget("b")
	assert.Empty(t, r.stage("b"))
	assert.Empty(t, told)
}
