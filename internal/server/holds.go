package server

import (
	"fmt"
	"net/http"
	"sync"
	"time"

	"github.com/gin-gonic/gin"

	"unitbloom/internal/live"
	"unitbloom/internal/store"
)

// graceWithoutEvents is how long a tab that has lost its events still holds its
// lesson, as over a short cut of the network.
const graceWithoutEvents = 8 * time.Second

// How many event streams there may be: of one browser that has signed in, of one
// address that has not, and in all.
const (
	streamsOfSession = 8
	streamsOfAddress = 20
	streamsInAll     = 2000
)

// holds says which tab writes on which lesson. It lives in memory: after a
// restart the revisions alone keep tabs from overwriting each other.
type holds struct {
	mu      sync.Mutex
	lessons map[string]*hold
	streams map[string]int // by the session or address that listens
	total   int
	closing chan struct{}
	once    sync.Once
}

type hold struct {
	holder    string
	lastSeen  time.Time
	listening map[chan string]string // to whose tab the events go
}

func newHolds() *holds {
	return &holds{lessons: map[string]*hold{}, streams: map[string]int{}, closing: make(chan struct{})}
}

func (h *holds) close() { h.once.Do(func() { close(h.closing) }) }

func (h *holds) of(id string) *hold {
	if h.lessons[id] == nil {
		h.lessons[id] = &hold{listening: map[chan string]string{}}
	}
	return h.lessons[id]
}

// claim asks to write on a lesson: granted when nobody does, or when taken over.
func (h *holds) claim(id, holder string, take bool) bool {
	h.mu.Lock()
	defer h.mu.Unlock()
	l := h.of(id)
	if l.holder != holder && l.busy() && !take {
		return false
	}
	if l.holder != holder {
		l.tell("held "+holder, "")
	}
	l.holder, l.lastSeen = holder, time.Now()
	return true
}

// mayWrite reports whether a save of this tab is taken: the lesson is its own or
// nobody's.
func (h *holds) mayWrite(id, holder string) bool {
	h.mu.Lock()
	defer h.mu.Unlock()
	l, ok := h.lessons[id]
	return !ok || l.holder == holder || !l.busy()
}

// busy reports whether the holder's tab is still there.
func (l *hold) busy() bool {
	if l.holder == "" {
		return false
	}
	for _, who := range l.listening {
		if who == l.holder {
			return true
		}
	}
	return time.Since(l.lastSeen) < graceWithoutEvents
}

// tell sends an event to every listener but one.
func (l *hold) tell(event, but string) {
	for ch, who := range l.listening {
		if who == but {
			continue
		}
		if !live.Give(ch, event) {
			delete(l.listening, ch)
		}
	}
}

// admit counts a stream of a listener, and says no when there are too many.
func (h *holds) admit(who string, most int) bool {
	h.mu.Lock()
	defer h.mu.Unlock()
	if h.streams[who] >= most || h.total >= streamsInAll {
		return false
	}
	h.streams[who]++
	h.total++
	return true
}

func (h *holds) dismiss(who string) {
	h.mu.Lock()
	defer h.mu.Unlock()
	h.total--
	if h.streams[who]--; h.streams[who] <= 0 {
		delete(h.streams, who)
	}
}

func (h *holds) saved(id, holder string, rev int) {
	h.mu.Lock()
	defer h.mu.Unlock()
	l, ok := h.lessons[id]
	if !ok {
		return
	}
	if l.holder == holder {
		l.lastSeen = time.Now()
	}
	l.tell(fmt.Sprintf("rev %d", rev), holder)
}

func (h *holds) listen(id, who string) chan string {
	h.mu.Lock()
	defer h.mu.Unlock()
	ch := live.Line()
	h.of(id).listening[ch] = who
	return ch
}

func (h *holds) leave(id, who string, ch chan string) {
	h.mu.Lock()
	defer h.mu.Unlock()
	l := h.of(id)
	delete(l.listening, ch)
	if l.holder == who {
		l.lastSeen = time.Now()
	}
	if len(l.listening) == 0 && !l.busy() {
		delete(h.lessons, id)
	}
}

// release lets a lesson go when its tab is closed.
func (h *holds) release(id, who string) {
	h.mu.Lock()
	defer h.mu.Unlock()
	l, ok := h.lessons[id]
	if !ok || l.holder != who {
		return
	}
	l.holder = ""
	l.tell("free", who)
	if len(l.listening) == 0 {
		delete(h.lessons, id)
	}
}

// hold answers whether this tab may write.
func (s *Server) hold(c *gin.Context) {
	var in struct {
		Holder  string `json:"holder"`
		Take    bool   `json:"take"`
		Release bool   `json:"release"`
	}
	if !bind(c, &in, 4<<10) {
		return
	}
	if in.Holder == "" || len(in.Holder) > 64 {
		fail(c, http.StatusBadRequest, "holder", "holder: say which tab asks, in 1 to 64 letters.")
		return
	}
	if !s.there(c) {
		return
	}
	if in.Release {
		s.holds.release(c.Param("id"), in.Holder)
		c.JSON(http.StatusOK, gin.H{"held": false})
		return
	}
	if err := s.store.Opened(c.Param("id")); err != nil {
		s.config.Log.Warn("opened", "lesson", c.Param("id"), "cause", err)
	}
	c.JSON(http.StatusOK, gin.H{"held": s.holds.claim(c.Param("id"), in.Holder, in.Take)})
}

// events is the stream of a lesson: "held" when a tab takes it over, "rev" when
// another tab saved, "free" when its tab was closed.
func (s *Server) events(c *gin.Context) {
	if !s.there(c) {
		return
	}
	listener, most := s.listener(c)
	dismiss, ok := s.admitted(c, listener, most)
	if !ok {
		return
	}
	defer dismiss()
	who, id := c.Query("holder"), c.Param("id")
	if _, other := borrowed(c); other {
		who = "" // a reader holds nothing
	}
	ch := s.holds.listen(id, who)
	defer s.holds.leave(id, who, ch)
	s.stream(c, ch, as, s.stillSignedIn(c))
}

// there says no where there is no such lesson: holds and streams are kept only for
// lessons that exist.
func (s *Server) there(c *gin.Context) bool {
	if !s.store.Has(c.Param("id")) {
		s.storeError(c, 0, store.ErrNotFound)
		return false
	}
	return true
}

// listener is who listens, and how many streams that may be.
func (s *Server) listener(c *gin.Context) (who string, most int) {
	if session := c.GetString("session"); session != "" {
		return "session " + session, streamsOfSession
	}
	return "address " + c.ClientIP(), streamsOfAddress
}
