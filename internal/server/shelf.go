package server

import (
	"archive/zip"
	"bytes"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"path"
	"strconv"
	"strings"

	"github.com/gin-gonic/gin"

	"unitbloom/core/door"
	"unitbloom/core/lesson"
	"unitbloom/internal/store"
)

const (
	// mostOfPage is how many lessons of the shelf there are in one answer.
	mostOfPage = 200
	// maxArchive is the largest archive that is taken in, in bytes, packed; maxUnpacked
	// what may come out of it.
	maxArchive, maxUnpacked = 64 << 20, 512 << 20
	// mostInArchive is how many lessons an archive may hold.
	mostInArchive = 20_000
)

// list is a part of the shelf: what is sought, of a topic or a folder, in an order.
func (s *Server) list(c *gin.Context) {
	number := func(name string, otherwise int) int {
		n, err := strconv.Atoi(c.Query(name))
		if err != nil || n < 0 {
			return otherwise
		}
		return n
	}
	page, err := s.store.Shelf(store.Query{
		Teacher: teacher(c), Others: c.Query("others") != "", Text: c.Query("q"), Topic: c.Query("topic"),
		Folder: c.Query("folder"), Sort: c.Query("sort"),
		Deleted: c.Query("deleted") != "", From: number("from", 0), Most: min(mostOfPage, max(1, number("most", mostOfPage))),
	})
	if err != nil {
		s.storeError(c, 0, err)
		return
	}
	c.JSON(http.StatusOK, page)
}

// face is the picture of a lesson on the shelf. Its address names the revision and the build, so
// that a browser keeps it: another build may draw it otherwise, and what is kept says of which
// build the server was.
func (s *Server) face(c *gin.Context) {
	doc, rev, err := s.store.Get(c.Param("id"))
	if err != nil {
		s.storeError(c, 0, err)
		return
	}
	l, err := lesson.Decode(doc)
	if err != nil {
		s.storeError(c, rev, err)
		return
	}
	if c.Query("rev") == strconv.Itoa(rev) && c.Query("build") == s.build {
		c.Header("Cache-Control", "private, max-age=31536000, immutable")
	}
	c.JSON(http.StatusOK, gin.H{"models": door.Face(l).Models})
}

// move puts lessons into a folder.
func (s *Server) move(c *gin.Context) {
	var in struct {
		IDs    []string `json:"ids"`
		Folder string   `json:"folder"`
	}
	if !bind(c, &in, 1<<20) {
		return
	}
	if err := s.store.Move(teacher(c), in.IDs, in.Folder); err != nil {
		s.storeError(c, 0, err)
		return
	}
	c.Status(http.StatusNoContent)
}

// archive is lessons of the shelf as files in one archive: those that are named, or all; of other
// teachers those that may be copied, where they are named.
func (s *Server) archive(c *gin.Context) {
	lines, err := s.store.List(false)
	if err != nil {
		s.storeError(c, 0, err)
		return
	}
	named := map[string]bool{}
	for _, id := range strings.Split(c.Query("ids"), ",") {
		named[id] = id != ""
	}
	c.Header("Content-Type", "application/zip")
	c.Header("Content-Disposition", `attachment; filename="lessons.zip"`)
	out := zip.NewWriter(c.Writer)
	for i, line := range lines {
		own := !s.open || line.Owner == teacher(c)
		if !named[line.ID] && (c.Query("ids") != "" || !own) || !own && line.Shared != store.SharedToCopy {
			continue
		}
		doc, _, err := s.store.Get(line.ID)
		if err != nil {
			continue // deleted meanwhile
		}
		w, err := out.CreateHeader(&zip.FileHeader{Name: fileName(i+1, line.Title), Method: zip.Deflate,
			Modified: line.UpdatedAt})
		if err != nil {
			return
		}
		if _, err := w.Write(doc); err != nil {
			return // nobody listens any more
		}
	}
	_ = out.Close()
}

// fileName is a lesson's name in an archive, told apart by its number.
func fileName(n int, title string) string {
	title = strings.Map(func(r rune) rune {
		if r < ' ' || strings.ContainsRune(`/\\:*?"<>|`, r) {
			return '-'
		}
		return r
	}, title)
	if len(title) > 80 {
		title = strings.ToValidUTF8(title[:80], "")
	}
	return fmt.Sprintf("%04d %s.json", n, strings.TrimSpace(title))
}

// unpack makes lessons of the files in an archive, all of them or none.
func (s *Server) unpack(c *gin.Context) {
	raw, ok := body(c, maxArchive)
	if !ok {
		return
	}
	list, err := lessonsIn(raw)
	if err != nil {
		fail(c, http.StatusUnprocessableEntity, "archive", "This archive cannot be read. "+err.Error()+". Nothing was "+
			"changed.")
		return
	}
	if _, err := s.store.CreateAll(teacher(c), list); err != nil {
		s.storeError(c, 0, err)
		return
	}
	c.JSON(http.StatusCreated, gin.H{"lessons": len(list)})
}

func lessonsIn(raw []byte) ([]lesson.Lesson, error) {
	in, err := zip.NewReader(bytes.NewReader(raw), int64(len(raw)))
	if err != nil {
		return nil, err
	}
	if len(in.File) > mostInArchive {
		return nil, fmt.Errorf("it holds more than %d files", mostInArchive)
	}
	var list []lesson.Lesson
	left := int64(maxUnpacked)
	for _, f := range in.File {
		if path.Ext(f.Name) != ".json" {
			continue
		}
		l, size, err := lessonIn(f, min(left, maxImport))
		if err != nil {
			return nil, fmt.Errorf("%s: %w", f.Name, err)
		}
		left -= size
		list = append(list, l)
	}
	if len(list) == 0 {
		return nil, fmt.Errorf("there is no lesson in it")
	}
	return list, nil
}

func lessonIn(f *zip.File, most int64) (l lesson.Lesson, size int64, err error) {
	r, err := f.Open()
	if err != nil {
		return l, 0, err
	}
	defer func() { _ = r.Close() }()
	doc, err := io.ReadAll(io.LimitReader(r, most+1))
	if err != nil {
		return l, 0, err
	}
	if int64(len(doc)) > most {
		return l, 0, fmt.Errorf("it is larger than is taken")
	}
	if l, err = lesson.Import(json.RawMessage(doc)); err != nil {
		return l, 0, err
	}
	l.ID = NewID()
	return l, int64(len(doc)), nil
}
