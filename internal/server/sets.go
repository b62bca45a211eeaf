package server

import (
	"net/http"
	"slices"
	"strings"
	"time"

	"github.com/gin-gonic/gin"

	"unitbloom/core/door"
	"unitbloom/core/lesson"
	"unitbloom/core/task"
	"unitbloom/internal/store"
)

// mostTasks is how many tasks a set has at most.
const mostTasks = 60

// helps are the ways in which a child can be helped.
var helps = []string{store.HelpHint, store.HelpRight, store.HelpNone}

// wished is the set that a body asks for: made from scenes of a lesson, frozen as they are
// now. It is not kept yet; ok is false when it was refused.
func (s *Server) wished(c *gin.Context) (set store.Set, ok bool) {
	var in struct {
		Title  string        `json:"title"`
		Lesson lesson.Lesson `json:"lesson"`
		Help   string        `json:"help"`
		// From and Until are when it is there to be done; Only for whom.
		From  *time.Time `json:"from"`
		Until *time.Time `json:"until"`
		Only  []string   `json:"only"`
		task.Wanted
	}
	if !bind(c, &in, maxImport) {
		return set, false
	}
	if in.Help == "" {
		in.Help = store.HelpHint
	}
	if !slices.Contains(helps, in.Help) {
		fail(c, http.StatusUnprocessableEntity, "help", "help: this is "+strings.Join(helps, ", ")+".")
		return set, false
	}
	if in.From != nil && in.Until != nil && !in.Until.After(*in.From) {
		fail(c, http.StatusUnprocessableEntity, "until", "until: it ends after it begins. Choose a later time.")
		return set, false
	}
	for _, id := range in.Only {
		if _, err := s.store.Pupil(c.Param("class"), id); err != nil {
			s.classError(c, err)
			return set, false
		}
	}
	// What all have is made now; children's own numbers when they open it.
	wanted := in.Wanted
	wanted.Own = false
	tasks, err := task.Sheet(in.Lesson.Scenes, wanted)
	if err != nil {
		fail(c, http.StatusUnprocessableEntity, "tasks", "These tasks cannot be made. "+err.Error())
		return set, false
	}
	if len(tasks) == 0 || len(tasks) > mostTasks {
		fail(c, http.StatusUnprocessableEntity, "tasks", "There is nothing of these kinds in what was chosen, or too much. "+
			"Choose other scenes or kinds.")
		return set, false
	}
	return store.Set{ID: NewID(), ClassID: c.Param("class"), Title: in.Title, Own: in.Own, Help: in.Help,
		StartsAt: in.From, EndedAt: in.Until, Only: in.Only, Tasks: tasks,
		Source: store.Source{Scenes: in.Lesson.Scenes, Wanted: wanted, Words: in.Lesson.Words}}, true
}

// makeSet sets tasks for a class.
func (s *Server) makeSet(c *gin.Context) {
	set, ok := s.wished(c)
	if !ok {
		return
	}
	set, err := s.work.MakeSet(set)
	if err != nil {
		s.classError(c, err)
		return
	}
	s.note(c, store.Deed{Did: "set", Of: store.OfSet, ID: set.ID})
	s.setChanged(set)
	c.JSON(http.StatusCreated, set)
}

// trySet is a set as children would have it, for the teacher to try: nothing is kept of it.
func (s *Server) trySet(c *gin.Context) {
	set, ok := s.wished(c)
	if !ok {
		return
	}
	face, err := faceOf(set, set.Tasks)
	if err != nil {
		s.classError(c, err)
		return
	}
	c.JSON(http.StatusOK, face)
}

// setChanged tells desks and teachers that what is set is another.
func (s *Server) setChanged(set store.Set) {
	s.hub.Tell("desks "+set.ClassID, "sets")
	s.hub.Tell("class "+set.ClassID, "class")
}

// turnSets tells desks of sets that have begun or ended meanwhile, up to now.
func (s *Server) turnSets(after, now time.Time) {
	sets, err := s.work.SetsTurning(after, now)
	if err != nil {
		s.config.Log.Error("sets", "cause", err)
	}
	for _, set := range sets {
		s.setChanged(set)
	}
}

// endSet ends a set, or goes on with it.
func (s *Server) endSet(c *gin.Context) {
	var in struct {
		Ended bool `json:"ended"`
	}
	if !bind(c, &in, maxClass) {
		return
	}
	set, err := s.work.EndSet(c.Param("set"), in.Ended)
	if err != nil {
		s.classError(c, err)
		return
	}
	s.setChanged(set)
	c.JSON(http.StatusOK, set)
}

func (s *Server) deleteSet(c *gin.Context) {
	set, err := s.work.Set(c.Param("set"))
	if err == nil {
		err = s.work.DeleteSet(set.ID)
	}
	if err != nil {
		s.classError(c, err)
		return
	}
	s.note(c, store.Deed{Did: store.Deleted, Of: store.OfSet, ID: set.ID})
	s.setChanged(set)
	c.Status(http.StatusNoContent)
}

// quietFor is after how long without anything done a child is told to be quiet.
const quietFor = 2 * time.Minute

// wall is what a class handed in of a set.
type wall struct {
	Set   store.Set  `json:"set"`
	Class string     `json:"class"`
	Tasks []wallTask `json:"tasks"`
	// Waits are names: of those who have not begun, are quiet, ask, or have no device.
	NotBegun []string `json:"notBegun"`
	Quiet    []string `json:"quiet"`
	Asks     []person `json:"asks"`
	Away     []string `json:"away"`
	Children int      `json:"children"`
}

// wallTask is one task with what was handed in of it.
type wallTask struct {
	Ask    string `json:"ask"`
	Kind   string `json:"kind"`
	Handed int    `json:"handed"`
	// Lays says that boards are laid, whose way can be replayed.
	Lays bool `json:"lays,omitempty"`
	door.Gathered
	// Who are the hand-ins that the groups name.
	Who map[string]handed `json:"who"`
}

// handed is the last hand-in of a child.
type handed struct {
	Name string `json:"name"`
	// Pupils are those who did it: one, or two at one device.
	Pupils []string `json:"pupils"`
	Tries  int      `json:"tries"`
	Late   bool     `json:"late,omitempty"`
	Away   int      `json:"away,omitempty"`
	Back   string   `json:"back,omitempty"`
}

type person struct {
	ID   string `json:"id"`
	Name string `json:"name"`
}

// tellSet answers with what is made of the set that a route names.
func tellSet[T any](s *Server, of func(store.Set) (T, error)) gin.HandlerFunc {
	return func(c *gin.Context) {
		set, err := s.work.Set(c.Param("set"))
		if err != nil {
			s.classError(c, err)
			return
		}
		out, err := of(set)
		if err != nil {
			s.classError(c, err)
			return
		}
		c.JSON(http.StatusOK, out)
	}
}

// roll is a set's class, and how its children stand to the set.
type roll struct {
	class store.Class
	// names are those of the whole class, pupils the children whom the set is for.
	names  map[string]string
	pupils []store.Pupil
	// taken says who is at a device; the rest is as lastOf tells it.
	taken map[string]bool
	last  []store.Attempt
	tries map[[2]any]int
	done  map[string]int
}

func (s *Server) rollOf(set store.Set) (r roll, err error) {
	if r.class, err = s.store.Class(set.ClassID); err != nil {
		return r, err
	}
	if r.pupils, err = s.store.Pupils(set.ClassID); err != nil {
		return r, err
	}
	attempts, err := s.work.Attempts(set.ID)
	if err != nil {
		return r, err
	}
	if r.taken, err = s.taken(set.ClassID); err != nil {
		return r, err
	}
	r.names = namesOf(r.pupils)
	r.pupils = slices.DeleteFunc(r.pupils, func(p store.Pupil) bool { return !set.IsFor(p.ID) })
	r.last, r.tries, r.done = lastOf(attempts)
	return r, nil
}

// away reports whether a child has no device, and has handed nothing in.
func (r roll) away(p store.Pupil) bool { return !r.taken[p.ID] && r.done[p.ID] == 0 }

// setOnPaper is a set as it is printed, for children who have no device, or for all.
type setOnPaper struct {
	Title  string       `json:"title"`
	Class  string       `json:"class"`
	Sheets []paperSheet `json:"sheets"`
}

// paperSheet is what some children have: all of them, or one with numbers of her own.
type paperSheet struct {
	For   []paperChild    `json:"for"`
	Tasks []door.TaskView `json:"tasks"`
}

// paperChild is a child by her name; Away says that she has no device, and has handed nothing in.
type paperChild struct {
	Name string `json:"name"`
	Away bool   `json:"away"`
}

func (s *Server) onPaper(set store.Set) (setOnPaper, error) {
	r, err := s.rollOf(set)
	out := setOnPaper{Title: set.Title, Class: r.class.Name, Sheets: []paperSheet{}}
	if err != nil {
		return out, err
	}
	for _, p := range r.pupils {
		child := paperChild{p.Name, r.away(p)}
		if !set.Own && len(out.Sheets) > 0 {
			out.Sheets[0].For = append(out.Sheets[0].For, child)
			continue
		}
		tasks, err := s.work.TasksFor(set, p.ID)
		if err != nil {
			return out, err
		}
		sheet := paperSheet{For: []paperChild{child}, Tasks: []door.TaskView{}}
		for _, t := range tasks {
			view, err := door.Printed(t, set.Source.Words)
			if err != nil {
				return out, err
			}
			sheet.Tasks = append(sheet.Tasks, view)
		}
		out.Sheets = append(out.Sheets, sheet)
	}
	return out, nil
}

func (s *Server) wallOf(set store.Set) (wall, error) {
	r, err := s.rollOf(set)
	if err != nil {
		return wall{}, err
	}
	w := wall{Set: set, Class: r.class.Name, Tasks: []wallTask{}, NotBegun: []string{}, Quiet: []string{},
		Asks: []person{}, Away: []string{}, Children: len(r.pupils)}
	for n := range set.Tasks {
		one, err := s.wallTaskOf(set, n, r.last, r.tries, r.names)
		if err != nil {
			return w, err
		}
		w.Tasks = append(w.Tasks, one)
	}
	for _, p := range r.pupils {
		d := s.rooms.desk(p.ID)
		if d.set == set.ID && d.asks {
			w.Asks = append(w.Asks, person{p.ID, p.Name})
		}
		switch {
		case r.done[p.ID] >= len(set.Tasks):
		case r.away(p):
			w.Away = append(w.Away, p.Name)
		case r.done[p.ID] == 0 && (d.set != set.ID || !d.began):
			w.NotBegun = append(w.NotBegun, p.Name)
		case r.taken[p.ID] && d.set == set.ID && s.rooms.now().Sub(d.did) > quietFor:
			w.Quiet = append(w.Quiet, p.Name)
		}
	}
	return w, nil
}

// wallTaskOf is one task of a set with what was handed in of it last, alike answers together.
func (s *Server) wallTaskOf(set store.Set, n int, last []store.Attempt, tries map[[2]any]int,
	names map[string]string) (wallTask, error) {
	face, err := task.FaceOf(set.Tasks[n], set.Source.Words)
	if err != nil {
		return wallTask{}, err
	}
	one := wallTask{Ask: face.Ask, Kind: set.Tasks[n].Kind, Who: map[string]handed{}}
	one.Lays = slices.ContainsFunc(face.Blanks, func(b task.Blank) bool { return b.Gives == task.OnBoard })
	var all []task.Handed
	for _, a := range last {
		if a.Task != n || names[a.PupilID] == "" {
			continue
		}
		tasks, err := s.work.TasksFor(set, a.PupilID)
		if err != nil {
			return one, err
		}
		if n >= len(tasks) {
			continue
		}
		pupils := slices.DeleteFunc([]string{a.PupilID, a.WithID}, func(id string) bool { return names[id] == "" })
		all = append(all, task.Handed{Who: a.ID, Children: len(pupils), Task: tasks[n], Answer: a.Answer})
		one.Who[a.ID] = handed{together(names, a), pupils, tries[keyOf(a)], a.Late, a.Away, a.Back}
		one.Handed += len(pupils)
	}
	one.Gathered, err = door.Gather(all, set.Own, set.Source.Words)
	return one, err
}

// namesOf are children's names by their ids.
func namesOf(pupils []store.Pupil) map[string]string {
	names := map[string]string{}
	for _, p := range pupils {
		names[p.ID] = p.Name
	}
	return names
}

// keyOf is a child's task.
func keyOf(a store.Attempt) [2]any { return [2]any{a.PupilID, a.Task} }

// lastOf are the last hand-ins of each child and task, in the order in which they came, how
// often each was handed in, and how many tasks each child has handed in.
func lastOf(attempts []store.Attempt) (last []store.Attempt, tries map[[2]any]int, done map[string]int) {
	tries, done = map[[2]any]int{}, map[string]int{}
	for _, a := range attempts {
		if tries[keyOf(a)]++; tries[keyOf(a)] == 1 {
			done[a.PupilID]++
			if a.WithID != "" {
				done[a.WithID]++
			}
		}
		last = slices.DeleteFunc(last, func(was store.Attempt) bool { return keyOf(was) == keyOf(a) })
		last = append(last, a)
	}
	return last, tries, done
}

// together are the names of those who handed in.
func together(names map[string]string, a store.Attempt) string {
	if with := names[a.WithID]; with != "" {
		return names[a.PupilID] + " and " + with
	}
	return names[a.PupilID]
}

// another sets another problem like one of a set's for some children: each her own.
func (s *Server) another(c *gin.Context) {
	var in struct {
		Task   int      `json:"task"`
		Pupils []string `json:"pupils"`
	}
	if !bind(c, &in, maxClass) {
		return
	}
	of, err := s.work.Set(c.Param("set"))
	if err != nil {
		s.classError(c, err)
		return
	}
	if in.Task < 0 || in.Task >= len(of.Tasks) || len(in.Pupils) == 0 {
		s.classError(c, store.ErrNoSet)
		return
	}
	for _, id := range in.Pupils {
		if _, err := s.store.Pupil(of.ClassID, id); err != nil {
			s.classError(c, err)
			return
		}
	}
	// One of its kind, with numbers that nobody had.
	source := of.Source
	source.Wanted.Kinds, source.Wanted.More, source.Wanted.Own = []string{of.Tasks[in.Task].Kind}, 0, true
	source.Wanted.Seed += uint64(time.Now().UnixNano())
	tasks, err := task.Sheet(source.Scenes, source.Wanted)
	if err != nil || len(tasks) == 0 {
		fail(c, http.StatusUnprocessableEntity, "tasks", "There is no other like it. Set something else.")
		return
	}
	set, err := s.work.MakeSet(store.Set{ID: NewID(), ClassID: of.ClassID, Title: of.Title + ", another", Own: true,
		Help: of.Help, Tasks: tasks[:1], Source: source, Only: in.Pupils})
	if err != nil {
		s.classError(c, err)
		return
	}
	s.note(c, store.Deed{Did: "set", Of: store.OfSet, ID: set.ID})
	s.setChanged(set)
	c.JSON(http.StatusCreated, set)
}

// attemptIn is a hand-in of the set that is asked for, or an answer that says that there is none.
func (s *Server) attemptIn(c *gin.Context) (a store.Attempt, set store.Set, ok bool) {
	a, err := s.work.Attempt(c.Param("attempt"))
	if err == nil && a.SetID != c.Param("set") {
		err = store.ErrNoAttempt
	}
	if err == nil {
		set, err = s.work.Set(a.SetID)
	}
	if err != nil {
		s.classError(c, err)
	}
	return a, set, err == nil
}

// replay is how a hand-in was laid, board after board.
func (s *Server) replay(c *gin.Context) {
	a, set, ok := s.attemptIn(c)
	if !ok {
		return
	}
	trail, err := s.work.TrailOf(a.ID)
	if err != nil {
		s.classError(c, err)
		return
	}
	tasks, err := s.work.TasksFor(set, a.PupilID)
	if err == nil && a.Task >= len(tasks) {
		err = store.ErrNoAttempt
	}
	if err != nil {
		s.classError(c, err)
		return
	}
	steps, err := door.Replay(tasks[a.Task], trail, set.Source.Words)
	if err != nil {
		s.classError(c, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"steps": steps})
}

// giveBack gives a hand-in back with a word, or lets a child's question go.
func (s *Server) giveBack(c *gin.Context) {
	var in struct {
		Word string `json:"word"`
	}
	if !bind(c, &in, maxClass) {
		return
	}
	a, set, ok := s.attemptIn(c)
	if !ok {
		return
	}
	word := strings.TrimSpace(in.Word)
	if word == "" || len(word) > 300 {
		fail(c, http.StatusUnprocessableEntity, "word", "word: write what she should look at, in at most 300 letters.")
		return
	}
	if err := s.work.GiveBack(a.ID, word); err != nil {
		s.classError(c, err)
		return
	}
	s.hub.Tell("desks "+set.ClassID, "back "+a.PupilID)
	s.hub.Tell("class "+set.ClassID, "set "+set.ID)
	c.Status(http.StatusNoContent)
}

// answered lets a child's hand go down: the teacher was there.
func (s *Server) answered(c *gin.Context) {
	set, err := s.work.Set(c.Param("set"))
	if err != nil {
		s.classError(c, err)
		return
	}
	down := false
	pupil := c.Param("pupil")
	s.rooms.at(pupil, set.ID, s.rooms.desk(pupil).task, false, &down)
	s.hub.Tell("desks "+set.ClassID, "heard "+pupil)
	s.hub.Tell("class "+set.ClassID, "set "+set.ID)
	c.Status(http.StatusNoContent)
}
