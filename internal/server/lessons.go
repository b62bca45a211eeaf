package server

import (
	"crypto/rand"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"net/http"
	"strings"

	"github.com/gin-gonic/gin"

	"unitbloom/core/form"
	"unitbloom/core/lesson"
	"unitbloom/internal/store"
)

// NewID is a name for a new lesson.
func NewID() string {
	var b [9]byte
	_, _ = rand.Read(b[:])
	return hex.EncodeToString(b[:])
}

// create imports a lesson file under an id of its own.
func (s *Server) create(c *gin.Context) { s.keepNew(c, NewID(), s.own(c)) }

// put makes a lesson under the id that the device gave it: a new lesson, a file, or a
// copy of unsent work. The same again does nothing.
func (s *Server) put(c *gin.Context) { s.putAs(c, c.Param("id"), s.own(c)) }

// own keeps a lesson as that of who is signed in.
func (s *Server) own(c *gin.Context) func(lesson.Lesson) (int, error) {
	return func(l lesson.Lesson) (int, error) { return s.store.Create(teacher(c), l) }
}

// putShowing keeps a showing of a lesson under the id that the device gave it. The showing is who
// presents it's, whoever the lesson belongs to; it may come before its lesson.
func (s *Server) putShowing(c *gin.Context) {
	if s.store.Has(c.Param("id")) {
		if s.lessonTo(reads)(c); c.IsAborted() {
			return
		}
	}
	s.putAs(c, c.Param("showing"), func(l lesson.Lesson) (int, error) {
		return s.store.CreateShowing(teacher(c), c.Param("id"), l)
	})
}

// showings lists those of a lesson.
func (s *Server) showings(c *gin.Context) {
	list, err := s.store.Showings(teacher(c), c.Param("id"))
	if err != nil {
		s.storeError(c, 0, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"showings": list})
}

func (s *Server) putAs(c *gin.Context, id string, keep func(lesson.Lesson) (int, error)) {
	if len(id) < 8 || len(id) > 64 || strings.ContainsFunc(id, func(r rune) bool { return !isIDLetter(r) }) {
		fail(c, http.StatusBadRequest, "id", "id: a lesson's id has 8 to 64 letters from a to z, digits or hyphens.")
		return
	}
	s.keepNew(c, id, keep)
}

func isIDLetter(r rune) bool { return r >= 'a' && r <= 'z' || r >= '0' && r <= '9' || r == '-' }

func (s *Server) keepNew(c *gin.Context, id string, keep func(lesson.Lesson) (int, error)) {
	raw, ok := body(c, maxImport)
	if !ok {
		return
	}
	l, err := lesson.Import(raw)
	if err != nil {
		answer := gin.H{"code": "lesson", "text": "This lesson cannot be read. " + err.Error() + ".",
			"request": c.GetString("request")}
		var file *lesson.FileError
		if errors.As(err, &file) {
			answer["faults"] = file.Faults
		}
		c.AbortWithStatusJSON(http.StatusUnprocessableEntity, gin.H{"error": answer})
		return
	}
	l.ID = id
	rev, err := keep(l)
	if err != nil {
		s.storeError(c, rev, err)
		return
	}
	c.JSON(http.StatusCreated, gin.H{"id": id, "title": l.Title, "rev": rev})
}

func (s *Server) get(c *gin.Context) {
	doc, rev, err := s.store.Get(c.Param("id"))
	if err != nil {
		s.storeError(c, 0, err)
		return
	}
	answer := gin.H{"rev": rev, "lesson": json.RawMessage(doc)}
	if k, other := borrowed(c); other {
		answer["by"], answer["shared"] = s.otherTeacher(c, k.Owner), k.Shared
	}
	c.JSON(http.StatusOK, answer)
}

// file is the lesson to take away, indented for people who look inside.
func (s *Server) file(c *gin.Context) {
	if k, other := borrowed(c); other && k.Shared != store.SharedToCopy {
		fail(c, http.StatusForbidden, "shared", "This belongs to another teacher. You may look at it, and not copy it.")
		return
	}
	doc, _, err := s.store.Get(c.Param("id"))
	if err != nil {
		s.storeError(c, 0, err)
		return
	}
	c.Header("Content-Disposition", `attachment; filename="lesson.json"`)
	c.IndentedJSON(http.StatusOK, json.RawMessage(doc))
}

// save makes the edits of one operation. The answer names the operation and its
// revision, which is the next base: nothing else is an acknowledgement.
func (s *Server) save(c *gin.Context) {
	in, ok := s.readSave(c)
	if !ok {
		return
	}
	id := c.Param("id")
	if !s.holds.mayWrite(id, in.Holder) {
		// A save that was already made is acknowledged again, whoever holds now.
		rev, done, err := s.store.Done(id, in.Save)
		switch {
		case err != nil:
			s.storeError(c, rev, err)
		case done:
			c.JSON(http.StatusOK, gin.H{"operation": in.Operation, "rev": rev})
		case s.isStale(id, in.Base):
			s.storeError(c, 0, store.ErrStale)
		default:
			fail(c, http.StatusConflict, "held", "This lesson is being changed in another tab.")
		}
		return
	}
	rev, err := s.store.Save(id, in.Save)
	if err != nil {
		s.storeError(c, rev, err)
		return
	}
	s.holds.saved(id, in.Holder, rev)
	s.noteHourly(c, store.Deed{Did: "changed", Of: "lesson", ID: id})
	c.JSON(http.StatusOK, gin.H{"operation": in.Operation, "rev": rev})
}

// isStale reports whether the lesson has moved on from where a save begins.
func (s *Server) isStale(id string, base int) bool {
	rev, err := s.store.Rev(id)
	return err == nil && rev != base
}

// saveBody is a save as a device sends it; its edits may be of an older format.
type saveBody struct {
	Operation string          `json:"operation"`
	Base      int             `json:"base"`
	Format    int             `json:"format"`
	Holder    string          `json:"holder"`
	Edits     json.RawMessage `json:"edits"`
}

// savedBy is a save and the tab that made it.
type savedBy struct {
	store.Save
	Holder string
}

func (s *Server) readSave(c *gin.Context) (savedBy, bool) {
	var in saveBody
	if !bind(c, &in, maxSave) {
		return savedBy{}, false
	}
	if in.Operation == "" || len(in.Operation) > 64 {
		fail(c, http.StatusBadRequest, "operation", "operation: a save needs an operation id of 1 to 64 letters.")
		return savedBy{}, false
	}
	if in.Format > lesson.Format {
		fail(c, http.StatusUnprocessableEntity, "format",
			"format: this save is from a newer version of Unit Bloom than this server's. It stays on the device.")
		return savedBy{}, false
	}
	out := savedBy{store.Save{Operation: in.Operation, Base: in.Base}, in.Holder}
	raw, err := lesson.UpgradeEdits(max(in.Format, 1), in.Edits)
	if err == nil && len(raw) > 0 {
		err = json.Unmarshal(raw, &out.Edits)
	}
	if err != nil {
		fail(c, http.StatusBadRequest, "json", "edits: these cannot be read: "+form.Cut(form.Plain(err).Error())+".")
		return savedBy{}, false
	}
	return out, true
}

func (s *Server) delete(c *gin.Context) {
	s.doneTo(c, store.Deleted, s.store.Delete(c.Param("id")))
}

func (s *Server) restore(c *gin.Context) { s.done(c, s.store.Restore(c.Param("id"))) }

// doneTo answers what was done to a lesson, and notes it.
func (s *Server) doneTo(c *gin.Context, did string, err error) {
	if s.done(c, err); err == nil {
		s.note(c, store.Deed{Did: did, Of: "lesson", ID: c.Param("id")})
	}
}

func (s *Server) done(c *gin.Context, err error) {
	if err != nil {
		s.storeError(c, 0, err)
		return
	}
	c.Status(http.StatusNoContent)
}

func (s *Server) storeError(c *gin.Context, rev int, err error) {
	var edit *store.EditError
	switch {
	case errors.Is(err, store.ErrNotFound):
		fail(c, http.StatusNotFound, "not-found", "There is no such lesson here. It may have been deleted.")
	case errors.Is(err, store.ErrStale):
		c.AbortWithStatusJSON(http.StatusConflict, gin.H{"error": gin.H{"code": "stale",
			"text": "The lesson has changed since.", "rev": rev}})
	case errors.Is(err, store.ErrOther):
		fail(c, http.StatusConflict, "other", "This id was used for something else already. Nothing was changed.")
	case errors.Is(err, store.ErrFolder):
		fail(c, http.StatusBadRequest, "folder", fmt.Sprintf("folder: a name has at most %d letters.", store.MaxFolder))
	case errors.As(err, &edit):
		fail(c, http.StatusUnprocessableEntity, "edit", "This change was refused. "+edit.Error())
	default:
		s.config.Log.Error("store", "id", c.GetString("request"), "path", c.Request.URL.Path, "error", err)
		status, code, text := storeFault(err)
		fail(c, status, code, text)
	}
}

// storeFault is what the database or its disk could not do.
func storeFault(err error) (status int, code, text string) {
	switch {
	case errors.Is(store.Kind(err), store.ErrFull):
		return http.StatusInsufficientStorage, "full", "The server's disk is full. Nothing was changed; make room on it."
	case errors.Is(store.Kind(err), store.ErrReadOnly):
		return http.StatusServiceUnavailable, "read-only", "The server cannot write its database. Nothing was changed."
	case errors.Is(store.Kind(err), store.ErrDamaged):
		return http.StatusServiceUnavailable, "damaged", "The server's database is damaged. Nothing was changed; put a " +
			"backup back."
	case errors.Is(err, store.ErrClosed):
		return http.StatusServiceUnavailable, "closing", "The server is stopping. Nothing was changed."
	}
	return http.StatusInternalServerError, "internal", "The lesson could not be read or kept. Nothing was changed."
}

// body reads a request's body up to a limit.
func body(c *gin.Context, limit int64) ([]byte, bool) {
	raw, err := io.ReadAll(http.MaxBytesReader(c.Writer, c.Request.Body, limit))
	if err != nil {
		var tooLarge *http.MaxBytesError
		if errors.As(err, &tooLarge) {
			fail(c, http.StatusRequestEntityTooLarge, "too-large",
				fmt.Sprintf("This is larger than %d MB, the most that is taken.", limit>>20))
		} else {
			fail(c, http.StatusBadRequest, "body", "The request did not arrive whole.")
		}
		return nil, false
	}
	return raw, true
}

func bind(c *gin.Context, into any, limit int64) bool {
	raw, ok := body(c, limit)
	if !ok {
		return false
	}
	err := form.Measure(raw)
	if err == nil {
		err = json.Unmarshal(raw, into)
	}
	if err != nil {
		fail(c, http.StatusBadRequest, "json", "This cannot be read: "+form.Cut(form.Plain(err).Error())+".")
		return false
	}
	return true
}
