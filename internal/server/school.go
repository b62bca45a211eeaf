package server

import (
	"net/http"

	"github.com/gin-gonic/gin"

	"unitbloom/internal/store"
)

// maxSettings is the largest body of settings, in bytes.
const maxSettings = 1 << 16

func (s *Server) school(c *gin.Context) {
	school, err := s.store.School()
	if err != nil {
		s.storeError(c, 0, err)
		return
	}
	c.JSON(http.StatusOK, school)
}

// setSchool sets what the school's classes call things. Words that are no choice are
// refused by their field, and what was set stays.
func (s *Server) setSchool(c *gin.Context) {
	var school store.School
	if !bind(c, &school, maxSettings) {
		return
	}
	if err := school.Words.Validate(); err != nil {
		fail(c, http.StatusUnprocessableEntity, "words", "This was not set. "+err.Error()+".")
		return
	}
	if school.KeepWork < 0 || school.KeepWork > store.MaxKeepWork {
		fail(c, http.StatusUnprocessableEntity, "keep", "keepWork: children's work is kept for 1 to 3660 days, or 0 until "+
			"it is deleted.")
		return
	}
	if err := s.store.SetSchool(school); err != nil {
		s.storeError(c, 0, err)
		return
	}
	if err := s.store.SweepWork(); err != nil {
		s.storeError(c, 0, err)
		return
	}
	c.JSON(http.StatusOK, school)
}
