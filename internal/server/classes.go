package server

import (
	"archive/zip"
	"bytes"
	"encoding/csv"
	"encoding/json"
	"errors"
	"io"
	"net/http"
	"slices"
	"strconv"
	"strings"
	"time"

	"github.com/gin-gonic/gin"

	"unitbloom/core/door"
	"unitbloom/core/task"
	"unitbloom/internal/people"
	"unitbloom/internal/store"
)

// maxClass is the largest body about a class, in bytes.
const maxClass = 64 << 10

// classLine is a class among others. By is the teacher whose it is, where that is another.
type classLine struct {
	store.Class
	By string `json:"by,omitempty"`
}

// classView is a class as its teacher sees it.
type classView struct {
	classLine
	Pupils []pupilView `json:"pupils"`
	Sets   []setLine   `json:"sets"`
	Eyes   bool        `json:"eyes"`
}

// setLine is a set, and how many children have handed in something of it.
type setLine struct {
	store.Set
	Turnout int `json:"turnout"`
}

// pupilView is a child with whether a device is at her tile.
type pupilView struct {
	store.Pupil
	Here bool `json:"here"`
	// Key is her picture key, for her teacher alone.
	Key string `json:"key,omitempty"`
}

// classError answers what cannot be done with a class.
func (s *Server) classError(c *gin.Context, err error) {
	switch {
	case errors.Is(err, store.ErrNoClass):
		fail(c, http.StatusNotFound, "no-class", "There is no such class here. It may have been deleted.")
	case errors.Is(err, store.ErrNoPupil):
		fail(c, http.StatusNotFound, "no-pupil", "There is no such child in this class.")
	case errors.Is(err, store.ErrNoSet):
		fail(c, http.StatusNotFound, "no-set", "There are no such tasks here. They may have been deleted.")
	case errors.Is(err, store.ErrNoAttempt):
		fail(c, http.StatusNotFound, "no-hand-in", "There is no such hand-in here.")
	case errors.Is(err, store.ErrNamed):
		fail(c, http.StatusConflict, "named", "Another child of this class has this name. Add a letter to tell them apart.")
	case errors.Is(err, store.ErrFullClass):
		fail(c, http.StatusUnprocessableEntity, "full-class", "A class has at most "+strconv.Itoa(store.MostPupils)+
			" children. Nothing was changed.")
	default:
		s.storeError(c, 0, err)
	}
}

func (s *Server) classes(c *gin.Context) {
	list, err := s.store.Classes(teacher(c))
	if err != nil {
		s.classError(c, err)
		return
	}
	lines := []classLine{}
	for _, class := range list {
		lines = append(lines, classLine{class, s.otherTeacher(c, class.Owner)})
	}
	c.JSON(http.StatusOK, gin.H{"classes": lines})
}

// makeClass makes a class of a name and a pasted list.
func (s *Server) makeClass(c *gin.Context) {
	var in struct {
		Name  string `json:"name"`
		Names string `json:"names"`
	}
	if !bind(c, &in, maxClass) {
		return
	}
	name := people.Name(in.Name)
	if name == "" {
		fail(c, http.StatusUnprocessableEntity, "name", "name: say what the class is called.")
		return
	}
	names := people.Names(in.Names)
	if len(names) > store.MostPupils {
		s.classError(c, store.ErrFullClass)
		return
	}
	class, err := s.store.MakeClass(teacher(c), NewID(), name, names)
	if err != nil {
		s.classError(c, err)
		return
	}
	c.JSON(http.StatusCreated, class)
}

func (s *Server) class(c *gin.Context) { s.answerClass(c, c.Param("class")) }

func (s *Server) answerClass(c *gin.Context, id string) {
	class, err := s.store.Class(id)
	view := classView{classLine: classLine{class, s.otherTeacher(c, class.Owner)}, Eyes: s.rooms.eyes(id)}
	if err == nil {
		view.Pupils, err = s.tiles(id)
	}
	if err == nil && class.Keys && view.By == "" {
		for i, p := range view.Pupils {
			view.Pupils[i].Key = p.PictureKey
		}
	}
	if err == nil {
		view.Sets, err = s.setLines(id)
	}
	if err != nil {
		s.classError(c, err)
		return
	}
	c.JSON(http.StatusOK, view)
}

func (s *Server) setLines(class string) ([]setLine, error) {
	sets, err := s.work.Sets(class)
	if err != nil {
		return nil, err
	}
	turnout, err := s.work.Turnout(class)
	lines := []setLine{}
	for _, set := range sets {
		lines = append(lines, setLine{set, turnout[set.ID]})
	}
	return lines, err
}

// tiles are the children of a class, each with whether a device is at her tile.
func (s *Server) tiles(class string) ([]pupilView, error) {
	pupils, err := s.store.Pupils(class)
	if err != nil {
		return nil, err
	}
	taken, err := s.taken(class)
	tiles := []pupilView{}
	for _, p := range pupils {
		tiles = append(tiles, pupilView{Pupil: p, Here: taken[p.ID]})
	}
	return tiles, err
}

// changeClass sets what is given: its name, whether the code lets in, a new code, eyes up.
func (s *Server) changeClass(c *gin.Context) {
	var in struct {
		store.ClassChange
		Eyes *bool `json:"eyes"`
	}
	if !bind(c, &in, maxClass) || in.Shared != nil && !isSharing(c, *in.Shared) {
		return
	}
	if in.Name != nil {
		if *in.Name = people.Name(*in.Name); *in.Name == "" {
			fail(c, http.StatusUnprocessableEntity, "name", "name: say what the class is called.")
			return
		}
	}
	id := c.Param("class")
	if _, err := s.store.ChangeClass(id, in.ClassChange); err != nil {
		s.classError(c, err)
		return
	}
	if in.Keys != nil && *in.Keys {
		if err := s.store.NewKey(id, ""); err != nil {
			s.classError(c, err)
			return
		}
	}
	if in.Eyes != nil {
		s.rooms.setEyes(id, *in.Eyes)
		s.hub.Tell("desks "+id, "eyes")
	}
	if in.Shared != nil {
		s.note(c, store.Deed{Did: "shared", Of: store.OfClass, ID: id})
	}
	s.hub.Tell("class "+id, "class")
	s.answerClass(c, id)
}

func (s *Server) deleteClass(c *gin.Context) {
	id := c.Param("class")
	if err := s.store.DeleteClass(id); err != nil {
		s.classError(c, err)
		return
	}
	s.note(c, store.Deed{Did: store.Deleted, Of: store.OfClass, ID: id})
	s.rooms.forget(id)
	s.hub.Tell("desks "+id, "gone")
	s.hub.Tell("class "+id, "class")
	c.Status(http.StatusNoContent)
}

func (s *Server) addPupils(c *gin.Context) {
	var in struct {
		Names string `json:"names"`
	}
	if !bind(c, &in, maxClass) {
		return
	}
	s.changed(c, s.store.AddPupils(c.Param("class"), people.Names(in.Names)))
}

// changePupil renames a child, gives her another picture key, or frees her tile.
func (s *Server) changePupil(c *gin.Context) {
	var in struct {
		Name   *string `json:"name"`
		Free   bool    `json:"free"`
		NewKey bool    `json:"newKey"`
	}
	if !bind(c, &in, maxClass) {
		return
	}
	class, id := c.Param("class"), c.Param("pupil")
	_, err := s.store.Pupil(class, id)
	if err == nil && in.Name != nil {
		name := people.Name(*in.Name)
		if name == "" {
			fail(c, http.StatusUnprocessableEntity, "name", "name: say what the child is called.")
			return
		}
		err = s.store.RenamePupil(class, id, name)
	}
	if err == nil && in.NewKey {
		err = s.store.NewKey(class, id)
	}
	if err == nil && in.Free {
		err = s.store.Leave(id)
		s.hub.Forget(id)
		s.hub.Tell("desks "+class, "free "+id)
	}
	s.changed(c, err)
}

func (s *Server) deletePupil(c *gin.Context) {
	class, id := c.Param("class"), c.Param("pupil")
	err := s.store.DeletePupil(class, id)
	if err == nil {
		s.note(c, store.Deed{Did: store.Deleted, Of: store.OfPupil, ID: id})
		s.hub.Tell("desks "+class, "free "+id)
	}
	s.changed(c, err)
}

// changed answers a change of a class with the class as it now is.
func (s *Server) changed(c *gin.Context, err error) {
	id := c.Param("class")
	if err != nil {
		s.classError(c, err)
		return
	}
	s.hub.Tell("class "+id, "class")
	s.answerClass(c, id)
}

// classEvents tells a teacher's pages what has changed: "class", or "set" with its id, or
// "board".
func (s *Server) classEvents(c *gin.Context) {
	id := c.Param("class")
	if _, err := s.store.Class(id); err != nil {
		s.classError(c, err)
		return
	}
	listener, most := s.listener(c)
	dismiss, ok := s.admitted(c, listener, most)
	if !ok {
		return
	}
	defer dismiss()
	events, leave := s.hub.Listen("class " + id)
	defer leave()
	s.stream(c, events, as, s.stillSignedIn(c))
}

// progress is what each child handed in last of each task, by kind of task, from the first set
// to the last: what a class can and cannot yet, without a number.
func (s *Server) progress(c *gin.Context) {
	id := c.Param("class")
	pupils, err := s.store.Pupils(id)
	var sets []store.Set
	if err == nil {
		sets, err = s.work.Sets(id)
	}
	if err == nil {
		_, err = s.store.Class(id)
	}
	if err != nil {
		s.classError(c, err)
		return
	}
	kinds := []door.KindInfo{}
	done := map[string]map[string][]gave{}
	for _, set := range slices.Backward(sets) {
		attempts, err := s.work.Attempts(set.ID)
		if err != nil {
			s.classError(c, err)
			return
		}
		last, _, _ := lastOf(attempts)
		slices.SortStableFunc(last, func(a, b store.Attempt) int { return a.Task - b.Task })
		for _, a := range last {
			if a.Task >= len(set.Tasks) {
				continue
			}
			spec, err := task.Find(set.Tasks[a.Task].Kind)
			if err != nil || spec.Teacher {
				continue
			}
			for _, pupil := range []string{a.PupilID, a.WithID} {
				if pupil == "" {
					continue
				}
				if done[pupil] == nil {
					done[pupil] = map[string][]gave{}
				}
				done[pupil][spec.Kind] = append(done[pupil][spec.Kind], gave{set.ID, set.Title, a.HandedAt, a.Right})
			}
			if kind := (door.KindInfo{Kind: spec.Kind, Title: spec.Title}); !slices.Contains(kinds, kind) {
				kinds = append(kinds, kind)
			}
		}
	}
	rows := []gin.H{}
	for _, p := range pupils {
		rows = append(rows, gin.H{"id": p.ID, "name": p.Name, "done": done[p.ID]})
	}
	c.JSON(http.StatusOK, gin.H{"kinds": kinds, "pupils": rows})
}

// gave is one task that a child handed in, as it was the last time.
type gave struct {
	Set   string    `json:"set"`
	Title string    `json:"title"`
	At    time.Time `json:"at"`
	Right bool      `json:"right"`
}

// results are all hand-ins of a class as a table.
func (s *Server) results(c *gin.Context) {
	r, err := s.record(c.Param("class"))
	if err != nil {
		s.classError(c, err)
		return
	}
	c.Header("Content-Type", "text/csv; charset=utf-8")
	c.Header("Content-Disposition", `attachment; filename="results.csv"`)
	r.table(c.Writer)
}

// archiveClass is all that is kept of a class, to be taken away: the table of its hand-ins, and
// each set with its tasks and the answers as they were given.
func (s *Server) archiveClass(c *gin.Context) {
	r, err := s.record(c.Param("class"))
	if err != nil {
		s.classError(c, err)
		return
	}
	c.Header("Content-Type", "application/zip")
	c.Header("Content-Disposition", `attachment; filename="class.zip"`)
	out := zip.NewWriter(c.Writer)
	defer func() { _ = out.Close() }()
	if w, err := out.Create("results.csv"); err == nil {
		r.table(w)
	}
	for i, set := range r.Sets {
		w, err := out.Create(fileName(i+1, set.Title))
		if err != nil {
			return // nobody listens any more
		}
		all := json.NewEncoder(w)
		all.SetIndent("", "  ")
		if err := all.Encode(set); err != nil {
			return
		}
	}
}

// record is all that a class handed in, the oldest set first, by its children's names.
type record struct {
	class store.Class
	Sets  []setRecord
}

type setRecord struct {
	Class   string     `json:"class"`
	Title   string     `json:"title"`
	SetAt   time.Time  `json:"setAt"`
	Until   *time.Time `json:"until,omitempty"`
	HandIns []handIn   `json:"handIns"`
}

type handIn struct {
	Child  string      `json:"child"`
	With   string      `json:"with,omitempty"`
	N      int         `json:"n"`
	Task   task.Task   `json:"task"`
	Answer task.Answer `json:"answer"`
	Read   []string    `json:"read"`
	Right  bool        `json:"right"`
	Late   bool        `json:"late"`
	Back   string      `json:"back,omitempty"`
	At     time.Time   `json:"at"`
}

func (s *Server) record(id string) (record, error) {
	var r record
	var pupils []store.Pupil
	var sets []store.Set
	var err error
	if r.class, err = s.store.Class(id); err == nil {
		pupils, err = s.store.Pupils(id)
	}
	if err == nil {
		sets, err = s.work.Sets(id)
	}
	if err != nil {
		return r, err
	}
	names := namesOf(pupils)
	for _, set := range slices.Backward(sets) {
		attempts, err := s.work.Attempts(set.ID)
		if err != nil {
			return r, err
		}
		one := setRecord{r.class.Name, set.Title, set.CreatedAt, set.EndedAt, []handIn{}}
		for _, a := range attempts {
			tasks, err := s.work.TasksFor(set, a.PupilID)
			if err != nil || a.Task >= len(tasks) {
				continue
			}
			lines, _ := task.Lines(tasks[a.Task], a.Answer, set.Source.Words)
			one.HandIns = append(one.HandIns, handIn{names[a.PupilID], names[a.WithID], a.Task + 1, tasks[a.Task], a.Answer,
				lines, a.Right, a.Late, a.Back, a.HandedAt.UTC()})
		}
		r.Sets = append(r.Sets, one)
	}
	return r, nil
}

// table writes the hand-ins of all sets, a line each.
func (r record) table(to io.Writer) {
	w := csv.NewWriter(to)
	write := func(cells ...string) {
		for i := range cells {
			cells[i] = plainCell(cells[i])
		}
		_ = w.Write(cells)
	}
	write("class", "set", "task", "child", "with", "handed in", "answer", "right", "late")
	for _, set := range r.Sets {
		for _, h := range set.HandIns {
			write(r.class.Name, set.Title, strconv.Itoa(h.N), h.Child, h.With, h.At.Format(time.RFC3339),
				strings.Join(h.Read, "; "), yes(h.Right), yes(h.Late))
		}
	}
	w.Flush()
}

func yes(b bool) string {
	if b {
		return "yes"
	}
	return "no"
}

// plainCell is a text that a spreadsheet does not take for a formula.
func plainCell(text string) string {
	if text != "" && strings.ContainsRune("=+-@\t\r", rune(text[0])) {
		return "'" + text
	}
	return text
}

// work is one child's hand-in as it is put up: its answer, and her name where the teacher
// gives it.
type work struct {
	Name string `json:"name,omitempty"`
	door.WorkView
}

// classBoard is what the class's board shows: its door with the code, or work that was put up.
func (s *Server) classBoard(c *gin.Context) {
	id := c.Param("class")
	class, err := s.store.Class(id)
	if err != nil {
		s.classError(c, err)
		return
	}
	up := s.rooms.up(id)
	works := []work{}
	for _, one := range up.Attempts {
		w, err := s.workOf(id, one, up.Named)
		if err == nil {
			works = append(works, w)
		}
	}
	all, err := s.answersOf(id, up)
	if err != nil && !errors.Is(err, store.ErrNoSet) { // a set that is gone is not up any more
		s.classError(c, err)
		return
	}
	code := ""
	if class.Open {
		code = class.Code
	}
	c.JSON(http.StatusOK, gin.H{"name": class.Name, "code": code, "works": works, "all": all, "up": up})
}

// answers are all that a class gave to a task, alike ones together, in the order in which they came:
// neither whose they are nor whether they are right.
type answers struct {
	Of     string        `json:"of"`
	Groups []answerGiven `json:"groups"`
}

type answerGiven struct {
	Lines   []string         `json:"lines"`
	Columns []task.FaceLine  `json:"columns,omitempty"`
	Views   []door.BoardView `json:"views"`
	N       int              `json:"n"`
}

// setUp is the set of which all answers are put up, where it is one of the class's.
func (s *Server) setUp(class string, up upThere) (store.Set, error) {
	set, err := s.work.Set(up.Set)
	if err == nil && (set.ClassID != class || up.Task < 0 || up.Task >= len(set.Tasks)) {
		err = store.ErrNoSet
	}
	return set, err
}

// answersOf are those that are put up; nil where none are.
func (s *Server) answersOf(class string, up upThere) (*answers, error) {
	if up.Set == "" {
		return nil, nil
	}
	set, err := s.setUp(class, up)
	if err != nil {
		return nil, err
	}
	pupils, err := s.store.Pupils(class)
	if err != nil {
		return nil, err
	}
	attempts, err := s.work.Attempts(set.ID)
	if err != nil {
		return nil, err
	}
	last, tries, _ := lastOf(attempts)
	one, err := s.wallTaskOf(set, up.Task, last, tries, namesOf(pupils))
	if err != nil {
		return nil, err
	}
	out := &answers{Of: one.Ask, Groups: []answerGiven{}}
	for _, g := range one.Groups {
		out.Groups = append(out.Groups, answerGiven{g.Lines, g.Columns, g.Views, g.Children})
	}
	return out, nil
}

func (s *Server) workOf(class, attempt string, named bool) (work, error) {
	a, err := s.work.Attempt(attempt)
	if err != nil {
		return work{}, err
	}
	set, err := s.work.Set(a.SetID)
	if err != nil {
		return work{}, err
	}
	if set.ClassID != class {
		return work{}, store.ErrNoAttempt
	}
	tasks, err := s.work.TasksFor(set, a.PupilID)
	if err != nil || a.Task >= len(tasks) {
		return work{}, errors.Join(err, store.ErrNoAttempt)
	}
	out := work{}
	if out.WorkView, err = door.Work(tasks[a.Task], a.Answer, set.Source.Words); err != nil || !named {
		return out, err
	}
	for _, id := range []string{a.PupilID, a.WithID} {
		if p, err := s.store.Pupil(class, id); err == nil {
			out.Name = strings.TrimPrefix(out.Name+" and "+p.Name, " and ")
		}
	}
	return out, nil
}

// maxStage is the largest picture of a stage that is followed, in bytes.
const maxStage = 1 << 20

// setStage shows devices what the class sees; an empty body ends it.
func (s *Server) setStage(c *gin.Context) {
	id := c.Param("class")
	if _, err := s.store.Class(id); err != nil {
		s.classError(c, err)
		return
	}
	raw, ok := body(c, maxStage)
	if !ok {
		return
	}
	var line bytes.Buffer // of an event: without the ends of lines
	if len(raw) > 0 && (raw[0] != '{' || json.Compact(&line, raw) != nil) {
		fail(c, http.StatusBadRequest, "json", "This is no picture of a stage.")
		return
	}
	s.rooms.setStage(id, line.Bytes(), func(stage []byte) {
		s.hub.Tell("desks "+id, strings.TrimSpace("stage "+string(stage)))
	})
	c.Status(http.StatusNoContent)
}

// mostUp is how many works stand side by side.
const mostUp = 3

// putUp puts hand-ins up on the class's board, with or without their names, or all answers to a task
// as they come; nothing takes all down.
func (s *Server) putUp(c *gin.Context) {
	var in upThere
	if !bind(c, &in, maxClass) {
		return
	}
	id := c.Param("class")
	if in.Set != "" {
		if _, err := s.setUp(id, in); err != nil {
			s.classError(c, err)
			return
		}
	}
	if len(in.Attempts) > mostUp {
		fail(c, http.StatusUnprocessableEntity, "up", "At most three works stand side by side.")
		return
	}
	for _, one := range in.Attempts {
		if _, err := s.workOf(id, one, false); err != nil {
			s.classError(c, err)
			return
		}
	}
	s.rooms.putUp(id, in)
	s.hub.Tell("class "+id, "board")
	c.Status(http.StatusNoContent)
}
