// Package live tells pages what has changed: topics, those who listen to them, and who was
// there a moment ago. All of it is in memory, and is made again by those who come back.
package live

import (
	"sync"
	"time"
)

// Events are what pages listen to, and what knows which devices are there. A Hub is one; whatever
// else is to be keeps the contract that live_test.go tries.
type Events interface {
	// Listen gives the events of a topic until it is left, or until so many wait that the listener had
	// better read all anew: then the events end.
	Listen(topic string) (events <-chan string, leave func())
	// Tell tells those who listen to a topic, and waits for nobody.
	Tell(topic, event string)
	// See notes that somebody is there now, Forget that she has gone; Ago is for how long she
	// has not been seen, if she was.
	See(who string)
	Forget(who string)
	Ago(who string) (time.Duration, bool)
}

var _ Events = (*Hub)(nil)

// Hub is where pages of one server listen.
type Hub struct {
	mu     sync.Mutex
	topics map[string]map[chan string]bool
	seen   map[string]time.Time
	now    func() time.Time
}

// New is a hub with nobody at it. The clock is a parameter, as time decides who is there.
func New(now func() time.Time) *Hub {
	return &Hub{topics: map[string]map[chan string]bool{}, seen: map[string]time.Time{}, now: now}
}

// waiting is how many events a listener may be behind.
const waiting = 16

// Line is a line to one listener.
func Line() chan string { return make(chan string, waiting) }

// Give puts an event on a line. Where it has no room the line is closed: whoever listens there comes
// back and reads all anew, which is more than the events of a moment ago would have said, and nothing
// that was told last is missing.
func Give(line chan string, event string) (open bool) {
	select {
	case line <- event:
		return true
	default:
		close(line)
		return false
	}
}

// Listen gives the events of a topic until it is left.
func (h *Hub) Listen(topic string) (events <-chan string, leave func()) {
	ch := Line()
	h.mu.Lock()
	defer h.mu.Unlock()
	if h.topics[topic] == nil {
		h.topics[topic] = map[chan string]bool{}
	}
	h.topics[topic][ch] = true
	return ch, func() {
		h.mu.Lock()
		defer h.mu.Unlock()
		delete(h.topics[topic], ch)
		if len(h.topics[topic]) == 0 {
			delete(h.topics, topic)
		}
	}
}

// Tell gives an event to all who listen to a topic.
func (h *Hub) Tell(topic, event string) {
	h.mu.Lock()
	defer h.mu.Unlock()
	for ch := range h.topics[topic] {
		if !Give(ch, event) {
			delete(h.topics[topic], ch)
		}
	}
}

// See notes that someone is there now.
func (h *Hub) See(who string) {
	h.mu.Lock()
	defer h.mu.Unlock()
	h.seen[who] = h.now()
}

// Forget lets someone go at once.
func (h *Hub) Forget(who string) {
	h.mu.Lock()
	defer h.mu.Unlock()
	delete(h.seen, who)
}

// Ago is how long ago someone was there; false for one who was not since the start.
func (h *Hub) Ago(who string) (time.Duration, bool) {
	h.mu.Lock()
	defer h.mu.Unlock()
	at, ok := h.seen[who]
	return h.now().Sub(at), ok
}
