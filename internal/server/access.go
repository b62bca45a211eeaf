package server

import (
	"errors"
	"net/http"
	"sync"
	"time"

	"github.com/gin-gonic/gin"

	"unitbloom/internal/store"
)

// signedInAs is the session of a request with its teacher.
func (s *Server) signedInAs(c *gin.Context) (store.Session, store.Teacher, error) {
	token := s.token(c)
	if token == "" || !s.open {
		return store.Session{}, store.Teacher{}, store.ErrNoSession
	}
	return s.store.SessionOf(token)
}

// signedIn lets a teacher on. On a server of one's own machine nobody signs in.
func (s *Server) signedIn(c *gin.Context) {
	if !s.open {
		return
	}
	session, t, err := s.signedInAs(c)
	switch {
	case errors.Is(err, store.ErrNoSession), errors.Is(err, store.ErrNoTeacher):
		fail(c, http.StatusUnauthorized, "sign-in", "Sign in first.")
	case err != nil:
		s.storeError(c, 0, err)
	default:
		c.Set("teacher", t)
		c.Set("session", session.Token)
	}
}

// teacher is the id of who is signed in; empty where nobody signs in.
func teacher(c *gin.Context) string {
	t, _ := c.Get("teacher")
	known, _ := t.(store.Teacher)
	return known.ID
}

// otherTeacher is the name of an owner who is not this request's teacher; empty for her own.
func (s *Server) otherTeacher(c *gin.Context, owner string) string {
	if !s.open || owner == teacher(c) {
		return ""
	}
	t, err := s.store.Teacher(owner)
	if err != nil {
		return "another teacher"
	}
	return t.Name
}

// stillSignedIn is what a stream asks now and then: whether it may go on.
func (s *Server) stillSignedIn(c *gin.Context) func() bool {
	token := s.token(c)
	return func() bool { return !s.open || s.store.Lasts(token) }
}

// leads lets on who may invite others; where nobody signs in, everyone.
func (s *Server) leads(c *gin.Context) {
	t, _ := c.Get("teacher")
	if known, _ := t.(store.Teacher); s.open && !known.Lead {
		fail(c, http.StatusForbidden, "lead", "This is for those of the school who may invite teachers.")
	}
}

// What a request does with a lesson or a class.
const (
	reads  = false
	writes = true
)

// may says whether a teacher may read or write what is kept. What she may not even read is as if
// it were not there.
func (s *Server) may(c *gin.Context, k store.Kept, write bool, missing func()) bool {
	switch {
	case !s.open || k.Owner == teacher(c):
		return true
	case k.Shared == "":
		missing()
		return false
	case write:
		fail(c, http.StatusForbidden, "shared", "This belongs to another teacher. You may look at it.")
		return false
	}
	return true
}

// lessonTo lets a request on to a lesson that its teacher may read or write.
func (s *Server) lessonTo(write bool) gin.HandlerFunc {
	return func(c *gin.Context) {
		if !s.open {
			return
		}
		k, err := s.store.LessonKept(c.Param("id"))
		if err != nil {
			s.storeError(c, 0, err)
			return
		}
		if s.may(c, k, write, func() { s.storeError(c, 0, store.ErrNotFound) }) && k.Owner != teacher(c) {
			c.Set("kept", k)
			s.noteHourly(c, store.Deed{Did: "looked", Of: "lesson", ID: c.Param("id")})
		}
	}
}

// borrowed is how a lesson is kept that another teacher has shared with this one.
func borrowed(c *gin.Context) (store.Kept, bool) {
	k, ok := c.Get("kept")
	if !ok {
		return store.Kept{}, false
	}
	return k.(store.Kept), true
}

// classTo lets a request on to a class that its teacher may read or write.
func (s *Server) classTo(write bool) gin.HandlerFunc {
	return func(c *gin.Context) { s.mayClass(c, c.Param("class"), write) }
}

// setTo lets a request on to a set of a class that its teacher may read or write.
func (s *Server) setTo(write bool) gin.HandlerFunc {
	return func(c *gin.Context) {
		if !s.open {
			return
		}
		set, err := s.work.Set(c.Param("set"))
		if err != nil {
			s.classError(c, err)
			return
		}
		s.mayClass(c, set.ClassID, write)
	}
}

func (s *Server) mayClass(c *gin.Context, id string, write bool) {
	if !s.open {
		return
	}
	class, err := s.store.Class(id)
	if err != nil {
		s.classError(c, err)
		return
	}
	missing := store.ErrNoClass
	if c.Param("set") != "" {
		missing = store.ErrNoSet
	}
	if s.may(c, store.Kept{Owner: class.Owner, Shared: class.Shared}, write, func() { s.classError(c, missing) }) {
		s.noteHourly(c, store.Deed{Did: "looked", Of: store.OfClass, ID: id})
	}
}

// note writes down what was done; that it could not be is told in the log, and stops nobody. Where
// nobody signs in only deletions are, which hold over a backup that is put back.
func (s *Server) note(c *gin.Context, d store.Deed) {
	if !s.open && d.Did != store.Deleted {
		return
	}
	d.Teacher = teacher(c)
	if err := s.store.Note(d); err != nil {
		s.config.Log.Error("deed", "id", c.GetString("request"), "cause", err)
	}
}

// noteHourly notes a deed that is done again and again once an hour.
func (s *Server) noteHourly(c *gin.Context, d store.Deed) {
	if d.Teacher = teacher(c); s.open && s.noted.fresh(d, s.rooms.now()) {
		s.note(c, d)
	}
}

// noted are deeds that need not be noted again within the hour.
type noted struct {
	mu sync.Mutex
	at map[store.Deed]time.Time
}

// mostNoted is how many of them are remembered.
const mostNoted = 10_000

func (n *noted) fresh(d store.Deed, now time.Time) bool {
	n.mu.Lock()
	defer n.mu.Unlock()
	if now.Sub(n.at[d]) < time.Hour {
		return false
	}
	if n.at == nil || len(n.at) >= mostNoted {
		n.at = map[store.Deed]time.Time{}
	}
	n.at[d] = now
	return true
}

// shareLesson shares a lesson with the school to read or to copy, or with nobody any more.
func (s *Server) shareLesson(c *gin.Context) {
	var in struct {
		Shared string `json:"shared"`
	}
	if !bind(c, &in, maxAccount) || !isSharing(c, in.Shared) {
		return
	}
	s.doneTo(c, "shared", s.store.ShareLesson(c.Param("id"), in.Shared))
}

func isSharing(c *gin.Context, shared string) bool {
	if shared != "" && shared != store.SharedToRead && shared != store.SharedToCopy {
		fail(c, http.StatusUnprocessableEntity, "shared", "shared: this is read, copy, or empty.")
		return false
	}
	return true
}
