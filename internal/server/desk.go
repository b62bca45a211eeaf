package server

import (
	"crypto/subtle"
	"errors"
	"net/http"
	"slices"
	"strconv"
	"strings"
	"time"

	"github.com/gin-gonic/gin"

	"unitbloom/core/door"
	"unitbloom/core/say"
	"unitbloom/core/task"
	"unitbloom/internal/people"
	"unitbloom/internal/store"
)

// A child's device has a cookie of its own, beside the teacher's: in one browser both can be
// open. deviceName is a name for those that try codes.
const (
	deskCookie   = "unitbloom-desk"
	deviceCookie = "unitbloom-device"
	deskPath     = "/api/desk"
)

// freeAfter is how long after its device went a tile can be taken again.
const freeAfter = 90 * time.Second

// maxHandIn is the largest hand-in, in bytes.
const maxHandIn = 256 << 10

// taken are the children of a class at whose tiles a device is, or was a moment ago.
func (s *Server) taken(class string) (map[string]bool, error) {
	seats, err := s.store.Seats(class)
	here := map[string]bool{}
	for _, seat := range seats {
		ago, seen := s.hub.Ago(seat.PupilID)
		if !seen {
			// Not since this server started: whoever sat there has a moment to come back.
			ago = s.rooms.now().Sub(s.started)
		}
		if ago < freeAfter {
			here[seat.PupilID] = true
			here[seat.WithID] = here[seat.WithID] || seat.WithID != ""
		}
	}
	return here, err
}

func (s *Server) setCookie(c *gin.Context, name, value string, age time.Duration) {
	http.SetCookie(c.Writer, &http.Cookie{Name: name, Value: value, Path: deskPath, HttpOnly: true,
		SameSite: http.SameSiteStrictMode, MaxAge: int(age.Seconds()), Secure: s.secure(c)})
}

// tryCode is the class that a code lets into, or an answer that says why there is none.
func (s *Server) tryCode(c *gin.Context, typed string) (store.Class, bool) {
	device, err := c.Cookie(deviceCookie)
	if err != nil || len(device) > 64 {
		device = people.NewToken()
		s.setCookie(c, deviceCookie, device, 24*time.Hour)
	}
	if wait := s.slow.Wait(device); wait > 0 {
		tooSoon(c, wait, "Wait "+inWords(wait)+", look at the board, and try again.")
		return store.Class{}, false
	}
	if !s.slow.Turn(c.Request.Context(), device) {
		c.Header("Retry-After", "5")
		fail(c, http.StatusTooManyRequests, "wait", "Many are coming in at once. Try again in a moment.")
		return store.Class{}, false
	}
	class, err := s.store.ClassOf(people.Code(typed))
	if errors.Is(err, store.ErrNoClass) {
		s.slow.Wrong(device)
		fail(c, http.StatusNotFound, "code", "No class has this code now. Look at the board again.")
		return class, false
	}
	if err != nil {
		s.classError(c, err)
		return class, false
	}
	s.slow.Right(device)
	return class, true
}

// door lets a child look into her class: its name and the tiles.
func (s *Server) door(c *gin.Context) {
	var in struct {
		Code string `json:"code"`
	}
	if !bind(c, &in, 4<<10) {
		return
	}
	class, ok := s.tryCode(c, in.Code)
	if !ok {
		return
	}
	tiles, err := s.tiles(class.ID)
	if err != nil {
		s.classError(c, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"name": class.Name, "tiles": tiles, "keys": class.Keys})
}

// sit gives a device the seat of a child, or of two who share it.
func (s *Server) sit(c *gin.Context) {
	var in struct {
		Code  string `json:"code"`
		Pupil string `json:"pupil"`
		With  string `json:"with"`
		// Keys are the picture keys of both, where the class has them.
		Keys []string `json:"keys"`
	}
	if !bind(c, &in, 4<<10) {
		return
	}
	class, ok := s.tryCode(c, in.Code)
	if !ok {
		return
	}
	taken, err := s.taken(class.ID)
	if err != nil {
		s.classError(c, err)
		return
	}
	for i, id := range []string{in.Pupil, in.With} {
		if id == "" && id != in.Pupil {
			continue
		}
		p, err := s.store.Pupil(class.ID, id)
		if err != nil {
			s.classError(c, err)
			return
		}
		if class.Keys && !s.opens(c, p, in.Keys, i) {
			return
		}
		if taken[id] && !class.Keys {
			fail(c, http.StatusConflict, "taken", p.Name+" is at another device now. Tell your teacher if that is not so.")
			return
		}
	}
	if in.With == in.Pupil {
		in.With = ""
	}
	token := people.NewToken()
	if err := s.store.Sit(token, class.ID, in.Pupil, in.With); err != nil {
		s.classError(c, err)
		return
	}
	for _, id := range []string{in.Pupil, in.With} {
		if taken[id] {
			s.hub.Tell("desks "+class.ID, "free "+id) // her key takes her tile back from where it was
		}
	}
	s.hub.See(in.Pupil)
	s.setCookie(c, deskCookie, token, 12*time.Hour)
	s.hub.Tell("class "+class.ID, "class")
	c.Status(http.StatusNoContent)
}

// opens reports whether a key of pictures is that of a tile, or says why not. Who is wrong a few
// times waits, at this tile.
func (s *Server) opens(c *gin.Context, p store.Pupil, keys []string, i int) bool {
	if wait := s.keys.Wait(p.ID); wait > 0 {
		tooSoon(c, wait, "Wait "+inWords(wait)+", and try again.")
		return false
	}
	if i < len(keys) && p.PictureKey != "" && subtle.ConstantTimeCompare([]byte(keys[i]), []byte(p.PictureKey)) == 1 {
		s.keys.Right(p.ID)
		return true
	}
	s.keys.Wrong(p.ID)
	fail(c, http.StatusForbidden, "picture-key", "Those are not the pictures of "+p.Name+". Try again, or ask your "+
		"teacher.")
	return false
}

// seated lets only a device go on that sits at a tile, and notes that it is there.
func (s *Server) seated(c *gin.Context) {
	token, err := c.Cookie(deskCookie)
	var seat store.Seat
	if err == nil {
		seat, err = s.store.SeatOf(token)
	}
	if err != nil {
		fail(c, http.StatusUnauthorized, "no-seat", "Type the code on the board first.")
		return
	}
	s.hub.See(seat.PupilID)
	c.Set("seat", seat)
}

func seatOf(c *gin.Context) store.Seat {
	seat, _ := c.MustGet("seat").(store.Seat)
	return seat
}

// deskSet is a set as a child has it: her tasks, and what she handed in of each.
type deskSet struct {
	ID    string          `json:"id"`
	Title string          `json:"title"`
	Help  string          `json:"help"`
	Words say.Vocabulary  `json:"words"`
	Tasks []door.DeskTask `json:"tasks"`
	Done  []deskDone      `json:"done"`
}

// deskDone is what a child is told of her last hand-in of a task.
type deskDone struct {
	Task int `json:"task"`
	verdict
	Back string `json:"back,omitempty"`
}

// verdict is what a child is told: only whether it is right, or a question too, as was set.
type verdict struct {
	// Right is left out where nothing is told.
	Right *bool `json:"right,omitempty"`
	// Hint is a question, and At the blank that it is of.
	Hint string `json:"hint,omitempty"`
	At   string `json:"at,omitempty"`
	// Calls says that the teacher has been called.
	Calls bool `json:"calls,omitempty"`
}

// From the second time on that something is not right yet there is a question, and at the
// third the teacher is called.
const (
	hintFrom = 2
	callFrom = 3
)

// toldTo is what a child is told of an answer at a try.
func toldTo(help string, t task.Task, a store.Attempt, try int, set store.Set) verdict {
	if spec, err := task.Find(t.Kind); help == store.HelpNone || err != nil || spec.Teacher {
		return verdict{}
	}
	v := verdict{Right: &a.Right}
	if a.Right || help != store.HelpHint {
		return v
	}
	if try >= hintFrom {
		if judged, err := task.Mark(t, a.Answer, set.Source.Words); err == nil {
			v.Hint, v.At = judged.Hint, judged.At
		}
	}
	v.Calls = try >= callFrom
	return v
}

// desk is what a child has before her: who she is, and what is set for her.
func (s *Server) desk(c *gin.Context) {
	seat := seatOf(c)
	class, err := s.store.Class(seat.ClassID)
	if err != nil {
		s.classError(c, err)
		return
	}
	people := []store.Pupil{}
	for _, id := range []string{seat.PupilID, seat.WithID} {
		if id == "" {
			continue
		}
		p, err := s.store.Pupil(class.ID, id)
		if err != nil {
			s.classError(c, err)
			return
		}
		people = append(people, p)
	}
	sets, err := s.work.Sets(class.ID)
	if err != nil {
		s.classError(c, err)
		return
	}
	out := []deskSet{}
	for _, set := range sets {
		if !set.Runs(s.rooms.now()) || !set.IsFor(seat.PupilID) {
			continue
		}
		one, err := s.deskSet(set, seat.PupilID)
		if err != nil {
			s.classError(c, err)
			return
		}
		out = append(out, one)
	}
	c.Header("Cache-Control", "no-store")
	c.JSON(http.StatusOK, gin.H{"people": people, "class": class.Name, "eyes": s.rooms.eyes(class.ID), "sets": out,
		"asks": s.rooms.desk(seat.PupilID).asks, "stage": s.rooms.stage(class.ID) != nil})
}

// deskStage is what the class sees now, for devices that follow it.
func (s *Server) deskStage(c *gin.Context) {
	stage := s.rooms.stage(seatOf(c).ClassID)
	c.Header("Cache-Control", "no-store")
	if stage == nil {
		c.JSON(http.StatusOK, gin.H{})
		return
	}
	c.Data(http.StatusOK, "application/json; charset=utf-8", stage)
}

// faceOf is what a child sees of a set with her tasks, before she has done anything.
func faceOf(set store.Set, tasks []task.Task) (deskSet, error) {
	out := deskSet{ID: set.ID, Title: set.Title, Help: set.Help, Words: set.Source.Words, Tasks: []door.DeskTask{},
		Done: []deskDone{}}
	for _, t := range tasks {
		face, err := door.Desk(t, set.Source.Words)
		if err != nil {
			return out, err
		}
		if set.Help == store.HelpNone {
			face.Task = nil // nothing is told, here or there
		}
		out.Tasks = append(out.Tasks, face)
	}
	return out, nil
}

func (s *Server) deskSet(set store.Set, pupil string) (deskSet, error) {
	tasks, err := s.work.TasksFor(set, pupil)
	if err != nil {
		return deskSet{}, err
	}
	out, err := faceOf(set, tasks)
	if err != nil {
		return out, err
	}
	attempts, err := s.work.AttemptsBy(set.ID, pupil)
	if err != nil {
		return out, err
	}
	last, tries, _ := lastOf(attempts)
	for _, a := range last {
		if a.Task < len(tasks) {
			told := toldTo(set.Help, tasks[a.Task], a, tries[keyOf(a)], set)
			out.Done = append(out.Done, deskDone{a.Task, told, a.Back})
		}
	}
	return out, nil
}

// who is whom a ticket is for.
func who(pupil, with string) string { return pupil + "+" + with }

// openTasks gives tickets for attempts that the device names, one for each task of a set.
func (s *Server) openTasks(c *gin.Context) {
	var in struct {
		Set      string   `json:"set"`
		Attempts []string `json:"attempts"`
	}
	if !bind(c, &in, 16<<10) {
		return
	}
	seat := seatOf(c)
	set, err := s.work.Set(in.Set)
	if err != nil || set.ClassID != seat.ClassID || !set.IsFor(seat.PupilID) || set.Waits(s.rooms.now()) {
		s.classError(c, store.ErrNoSet)
		return
	}
	if len(in.Attempts) != len(set.Tasks) ||
		slices.ContainsFunc(in.Attempts, func(id string) bool { return !isAttempt(id) }) {
		fail(c, http.StatusBadRequest, "attempts", "attempts: give a name of 32 letters for each task.")
		return
	}
	tickets := make([]string, len(in.Attempts))
	for i, id := range in.Attempts {
		tickets[i] = people.Ticket(s.tickets, set.ID, who(seat.PupilID, seat.WithID), strconv.Itoa(i), id)
	}
	c.JSON(http.StatusOK, gin.H{"tickets": tickets, "pupil": seat.PupilID, "with": seat.WithID})
}

// isAttempt reports whether a device's name for an attempt has 128 bits.
func isAttempt(id string) bool { return len(id) == 32 && strings.Trim(id, "0123456789abcdef") == "" }

// handIn keeps what a child did of a task. It needs a ticket and nothing else: it comes when
// the network is back, whoever sits at the device by then.
func (s *Server) handIn(c *gin.Context) {
	var in struct {
		Set     string      `json:"set"`
		Pupil   string      `json:"pupil"`
		With    string      `json:"with"`
		Task    int         `json:"task"`
		Attempt string      `json:"attempt"`
		Ticket  string      `json:"ticket"`
		Answer  task.Answer `json:"answer"`
		// Trail is how it was laid.
		Trail []task.Laid `json:"trail"`
		Away  int         `json:"away"`
		// Next names the attempt that may follow.
		Next string `json:"next"`
	}
	if !bind(c, &in, maxHandIn) {
		return
	}
	if !isAttempt(in.Attempt) || !isAttempt(in.Next) ||
		!people.Valid(in.Ticket, s.tickets, in.Set, who(in.Pupil, in.With), strconv.Itoa(in.Task), in.Attempt) {
		fail(c, http.StatusForbidden, "ticket", "This was not opened for this child. Nothing was changed.")
		return
	}
	set, err := s.work.Set(in.Set)
	if err == nil {
		_, err = s.store.Pupil(set.ClassID, in.Pupil)
	}
	if err != nil {
		s.classError(c, err)
		return
	}
	tasks, err := s.work.TasksFor(set, in.Pupil)
	if err != nil {
		s.classError(c, err)
		return
	}
	if in.Task >= len(tasks) {
		s.classError(c, store.ErrNoSet)
		return
	}
	judged, err := task.Mark(tasks[in.Task], in.Answer, set.Source.Words)
	if err != nil {
		fail(c, http.StatusUnprocessableEntity, "answer", "This cannot be handed in. "+err.Error())
		return
	}
	a, err := s.work.HandIn(store.Attempt{ID: in.Attempt, SetID: in.Set, PupilID: in.Pupil, WithID: in.With, Task: in.Task,
		Answer: in.Answer, Trail: in.Trail[max(0, len(in.Trail)-mostLaid):], Right: judged.Right, Away: max(0, in.Away),
		Digest: digestOf(in.Answer), Core: s.config.Version})
	next := people.Ticket(s.tickets, in.Set, who(in.Pupil, in.With), strconv.Itoa(in.Task), in.Next)
	if errors.Is(err, store.ErrOther) {
		// The page did not hear that the first one came: it hands this one in as the next.
		fault := faultOf(c, "other", "Another answer was handed in under this name. Hand this one in under the next.")
		fault["ticket"] = next
		c.AbortWithStatusJSON(http.StatusConflict, gin.H{"error": fault})
		return
	}
	if err != nil {
		s.classError(c, err)
		return
	}
	s.hub.See(in.Pupil)
	s.rooms.at(in.Pupil, set.ID, in.Task, true, nil)
	try, err := s.tryOf(set, a)
	if err != nil {
		s.classError(c, err)
		return
	}
	told := toldTo(set.Help, tasks[in.Task], a, try, set)
	if told.Calls {
		calls := true
		s.rooms.at(in.Pupil, set.ID, in.Task, true, &calls)
	}
	s.hub.Tell("class "+set.ClassID, "set "+set.ID)
	c.JSON(http.StatusOK, gin.H{"attempt": a.ID, "verdict": told, "ticket": next})
}

// tryOf is which try of a child at a task an attempt was, counted from 1.
func (s *Server) tryOf(set store.Set, a store.Attempt) (int, error) {
	all, err := s.work.AttemptsBy(set.ID, a.PupilID)
	try := 0
	for _, one := range all {
		if one.Task == a.Task {
			try++
		}
		if one.ID == a.ID {
			break
		}
	}
	return try, err
}

// mostLaid is how many boards are kept of the way to an answer: the last ones.
const mostLaid = 200

// digestOf tells one answer from another.
func digestOf(a task.Answer) string {
	parts := []string{}
	for at, text := range a {
		parts = append(parts, at+"\x00"+text)
	}
	slices.Sort(parts)
	return people.Hashed(strings.Join(parts, "\x01"))
}

// here tells where a child is and whether she asks for the teacher.
func (s *Server) here(c *gin.Context) {
	var in struct {
		Set  string `json:"set"`
		Task int    `json:"task"`
		Did  bool   `json:"did"`
		Asks *bool  `json:"asks"`
	}
	if !bind(c, &in, 4<<10) {
		return
	}
	seat := seatOf(c)
	set, err := s.work.Set(in.Set)
	if err != nil || set.ClassID != seat.ClassID {
		s.classError(c, store.ErrNoSet)
		return
	}
	s.rooms.at(seat.PupilID, set.ID, in.Task, in.Did, in.Asks)
	s.hub.Tell("class "+set.ClassID, "set "+set.ID)
	c.Status(http.StatusNoContent)
}

// leaveDesk takes a device from its tile.
func (s *Server) leaveDesk(c *gin.Context) {
	seat := seatOf(c)
	if err := s.store.Leave(seat.PupilID); err != nil {
		s.classError(c, err)
		return
	}
	s.hub.Forget(seat.PupilID)
	s.setCookie(c, deskCookie, "", -time.Second)
	s.hub.Tell("class "+seat.ClassID, "class")
	c.Status(http.StatusNoContent)
}

// deskEvents tells a child's device that something is set, that eyes are up, or that her tile
// was freed. Of what is told to one child others hear nothing.
func (s *Server) deskEvents(c *gin.Context) {
	seat := seatOf(c)
	dismiss, ok := s.admitted(c, "desk "+seat.PupilID, streamsOfSession)
	if !ok {
		return
	}
	defer dismiss()
	all, leave := s.hub.Listen("desks " + seat.ClassID)
	defer leave()
	hers := func(event string) string {
		what, whom, told := strings.Cut(event, " ")
		switch {
		case what == "stage": // the whole of it, for all
			return event
		case told && whom != seat.PupilID && whom != seat.WithID:
			return ""
		}
		return what
	}
	s.stream(c, all, hers, func() bool { s.hub.See(seat.PupilID); return true })
}
