package server

import (
	"fmt"
	"net/http"
	"time"

	"github.com/gin-gonic/gin"
)

// beatEvery is how often a stream says that it is still there.
const beatEvery = 15 * time.Second

// as is an event as it came.
func as(event string) string { return event }

// stream sends events to a page until it goes, each as the page hears it; one of which it hears
// nothing is empty. At each beat the stream asks whether it may go on.
func (s *Server) stream(c *gin.Context, events <-chan string, heard func(event string) string, goesOn func() bool) {
	c.Header("Content-Type", "text/event-stream")
	c.Header("Cache-Control", "no-store")
	rc := http.NewResponseController(c.Writer)
	_ = rc.SetWriteDeadline(time.Time{})
	_ = rc.SetReadDeadline(time.Time{})
	send := func(text string) bool {
		_, err := fmt.Fprint(c.Writer, text)
		c.Writer.Flush()
		return err == nil
	}
	beats := time.NewTicker(beatEvery)
	defer beats.Stop()
	for ok := send(": here\n\n"); ok && goesOn(); {
		select {
		case <-c.Request.Context().Done():
			return
		case <-s.holds.closing:
			return
		case event, more := <-events:
			if !more {
				return // too far behind: the page comes back, and reads all anew
			}
			if event = heard(event); event != "" {
				ok = send("data: " + event + "\n\n")
			}
		case <-beats.C:
			ok = send(": still here\n\n")
		}
	}
}

// admitted counts a stream of a listener until it is dismissed, or says no.
func (s *Server) admitted(c *gin.Context, listener string, most int) (dismiss func(), ok bool) {
	if !s.holds.admit(listener, most) {
		c.Header("Retry-After", "30")
		fail(c, http.StatusTooManyRequests, "streams", "Too many pages of this server are open here. Close some.")
		return nil, false
	}
	return func() { s.holds.dismiss(listener) }, true
}
