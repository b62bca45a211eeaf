package server

import (
	"crypto/rand"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"net/http"

	"github.com/gin-gonic/gin"

	"unitbloom/core/lesson"
	"unitbloom/internal/schema"
	"unitbloom/internal/store"
)

// NewID is a name for a new lesson.
func NewID() string {
	var b [9]byte
	_, _ = rand.Read(b[:])
	return hex.EncodeToString(b[:])
}

// Import reads a lesson file and keeps it under a new id.
func Import(s *store.Store, raw []byte) (lesson.Lesson, error) {
	l, err := schema.ReadLesson(raw)
	if err != nil {
		return lesson.Lesson{}, err
	}
	l.ID = NewID()
	_, err = s.Create(l)
	return l, err
}

func (s *Server) list(c *gin.Context) {
	lines, err := s.store.List(c.Query("deleted") != "")
	if err != nil {
		s.storeError(c, 0, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"lessons": lines})
}

// create imports a lesson: a file, a new lesson, or a copy of unsent work.
func (s *Server) create(c *gin.Context) {
	raw, ok := body(c, maxImport)
	if !ok {
		return
	}
	l, err := Import(s.store, raw)
	if err != nil {
		fail(c, http.StatusUnprocessableEntity, "lesson", "This lesson cannot be read. "+err.Error()+".")
		return
	}
	c.JSON(http.StatusCreated, gin.H{"id": l.ID, "title": l.Title, "rev": 1})
}

func (s *Server) get(c *gin.Context) {
	doc, rev, err := s.store.Get(c.Param("id"))
	if err != nil {
		s.storeError(c, 0, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"rev": rev, "lesson": json.RawMessage(doc)})
}

// file is the lesson to take away, indented for people who look inside.
func (s *Server) file(c *gin.Context) {
	doc, _, err := s.store.Get(c.Param("id"))
	if err != nil {
		s.storeError(c, 0, err)
		return
	}
	c.Header("Content-Disposition", `attachment; filename="lesson.json"`)
	c.IndentedJSON(http.StatusOK, json.RawMessage(doc))
}

type saveBody struct {
	store.Save
	Holder string `json:"holder"`
}

// save makes the edits of one operation. The answer's rev is the next base.
func (s *Server) save(c *gin.Context) {
	var in saveBody
	if !bind(c, &in, maxSave) {
		return
	}
	if in.Operation == "" || len(in.Operation) > 64 {
		fail(c, http.StatusBadRequest, "operation", "operation: a save needs an operation id of 1 to 64 letters.")
		return
	}
	id := c.Param("id")
	if !s.holds.mayWrite(id, in.Holder) {
		// A save that was already made is acknowledged again, whoever holds now.
		if rev, done := s.store.Done(in.Operation); done {
			c.JSON(http.StatusOK, gin.H{"rev": rev})
			return
		}
		fail(c, http.StatusConflict, "held", "This lesson is being changed in another tab.")
		return
	}
	rev, err := s.store.Save(id, in.Save)
	if err != nil {
		s.storeError(c, rev, err)
		return
	}
	s.holds.saved(id, in.Holder, rev)
	c.JSON(http.StatusOK, gin.H{"rev": rev})
}

func (s *Server) delete(c *gin.Context) { s.done(c, s.store.Delete(c.Param("id"))) }

func (s *Server) restore(c *gin.Context) { s.done(c, s.store.Restore(c.Param("id"))) }

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
		c.AbortWithStatusJSON(http.StatusConflict, gin.H{"error": gin.H{"code": "stale", "text": "The lesson has changed since.", "rev": rev}})
	case errors.As(err, &edit):
		fail(c, http.StatusUnprocessableEntity, "edit", "This change was refused. "+edit.Error())
	default:
		s.config.Log.Error("store", "id", c.GetString("request"), "error", err)
		fail(c, http.StatusInternalServerError, "internal", "The lesson could not be read or kept. Nothing was changed.")
	}
}

// body reads a request's body up to a limit.
func body(c *gin.Context, limit int64) ([]byte, bool) {
	raw, err := io.ReadAll(http.MaxBytesReader(c.Writer, c.Request.Body, limit))
	if err != nil {
		var tooLarge *http.MaxBytesError
		if errors.As(err, &tooLarge) {
			fail(c, http.StatusRequestEntityTooLarge, "too-large", fmt.Sprintf("This is larger than %d MB, the most that is taken.", limit>>20))
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
	if err := json.Unmarshal(raw, into); err != nil {
		fail(c, http.StatusBadRequest, "json", "This cannot be read: "+err.Error()+".")
		return false
	}
	return true
}
