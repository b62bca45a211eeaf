package lesson

import (
	"fmt"
	"reflect"
	"slices"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/form"
	"unitbloom/core/say"
)

const (
	maxScenes = 200
	maxSteps  = 500
	maxText   = 2000
	maxRecord = 2000
	maxMoves  = 100_000 // of a whole lesson
	// maxFaults is where checking stops.
	maxFaults = 20
	// MaxBytes is how long a lesson is in JSON at most, so that what is saved can be
	// taken away and brought back.
	MaxBytes = 8 << 20
)

// faultList gathers faults until there are enough of them.
type faultList []form.Fault

func (l *faultList) full() bool { return len(*l) >= maxFaults }

func (l *faultList) add(path, reason string) {
	if !l.full() {
		*l = append(*l, form.Fault{Path: path, Reason: reason})
	}
}

func (l *faultList) all(more []form.Fault) {
	for _, f := range more {
		l.add(f.Path, f.Reason)
	}
}

func (l *faultList) limits(path string, value any) {
	if !l.full() {
		l.all(form.Of(reflect.TypeOf(value)).Faults(path, value, maxFaults-len(*l)))
	}
}

// unknown tells the fields that a lesson of our own minor cannot have.
func (l *faultList) unknown(path string, extra form.Extra, minor int) {
	l.unknownNames(path, extra.Names(), minor)
}

func (l *faultList) unknownNames(path string, names []string, minor int) {
	if minor > Minor {
		return
	}
	for _, name := range names {
		l.add(path, form.UnknownField(name).Error())
	}
}

func (l faultList) first() error {
	if len(l) == 0 {
		return nil
	}
	return l[0]
}

// needs lists what this program itself cannot do without: a lesson that fails it
// does not open.
func (l Lesson) needs() faultList {
	var faults faultList
	faults.all(l.headFaults())
	faults.all(l.recordFaults())
	seen := map[string]bool{}
	for i := range l.Scenes {
		path := fmt.Sprintf("scenes[%d]", i)
		faults.all(l.Scenes[i].needs(path))
		if seen[l.Scenes[i].ID] {
			faults.add(path+".id", fmt.Sprintf("another scene is called %s too", form.Quote(l.Scenes[i].ID)))
		}
		seen[l.Scenes[i].ID] = true
	}
	return faults
}

func (l Lesson) headFaults() faultList {
	var faults faultList
	if strings.TrimSpace(l.Title) == "" || len([]rune(l.Title)) > 200 {
		faults.add("title", "a lesson needs a title of at most 200 letters")
	}
	if len([]rune(l.Objective)) > maxText {
		faults.add("objective", fmt.Sprintf("it has more than %d letters", maxText))
	}
	if err := l.Words.Validate(); err != nil {
		path, reason, _ := strings.Cut(err.Error(), ": ")
		faults.add(path, reason)
	}
	return faults
}

func (l Lesson) recordFaults() faultList {
	var faults faultList
	if len(l.Record) > maxRecord {
		faults.add("record", fmt.Sprintf("%d lines are too many; it holds %d", len(l.Record), maxRecord))
		return faults
	}
	for i, e := range l.Record {
		if e.Text == "" || len(e.Text) > 500 && len([]rune(e.Text)) > 500 {
			faults.add(fmt.Sprintf("record[%d].text", i), "a line has 1 to 500 letters")
		}
	}
	return faults
}

func (s Scene) needs(path string) faultList {
	var faults faultList
	if s.ID == "" || len(s.ID) > 64 {
		faults.add(form.Under(path, "id"), "a scene needs an id of 1 to 64 letters")
	}
	if n := len(s.Start.Models); n < 1 || n > board.MaxModels {
		faults.add(form.Under(path, "start.models"), "a board holds one to four models")
	}
	if len(s.Steps) > maxSteps {
		faults.add(form.Under(path, "steps"), fmt.Sprintf("%d are too many; a scene holds %d", len(s.Steps), maxSteps))
	}
	if s.Marks != "" && s.Marks != "above" && s.Marks != "below" {
		faults.add(form.Under(path, "marks"), fmt.Sprintf("%s is not above or below", form.Quote(s.Marks)))
	}
	return faults
}

// Faults lists what the published form does not take of the lesson, at most twenty
// faults: a file that has any is not imported, and an edit that would bring any is
// refused.
func (l Lesson) Faults() []form.Fault {
	faults := l.needs()
	if len(l.ID) > 64 {
		faults.add("id", "it has more than 64 letters")
	}
	faults.unknown("file", l.extra, l.Minor)
	faults.limits("record", l.Record)
	for i := range l.Record {
		faults.unknown(fmt.Sprintf("record[%d]", i), l.Record[i].extra, l.Minor)
	}
	moves := 0
	for i := range l.Scenes {
		if faults.full() {
			break
		}
		for k := range l.Scenes[i].Steps {
			moves += len(l.Scenes[i].Steps[k].Moves)
		}
		if moves > maxMoves {
			faults.add("scenes", fmt.Sprintf("they have more than %d moves, the most that a lesson holds", maxMoves))
			break
		}
		l.Scenes[i].faults(&faults, fmt.Sprintf("scenes[%d]", i), l.Minor)
	}
	return faults
}

// faults are those of a scene in a lesson of some minor.
func (s *Scene) faults(faults *faultList, path string, minor int) {
	faults.unknown(path, s.extra, minor)
	faults.limits(path, plainSceneHead{s.ID, s.Title, s.Show, s.Marks, s.Made, s.Page, s.Aside})
	faults.unknownNames(path+".start", s.Start.Unknown(), minor)
	faults.limits(path+".ink", s.Ink)
	faults.limits(path+".notes", s.Notes)
	for i := range s.Ink {
		faults.unknown(fmt.Sprintf("%s.ink[%d]", path, i), s.Ink[i].extra, minor)
	}
	for i := range s.Notes {
		faults.unknown(fmt.Sprintf("%s.notes[%d]", path, i), s.Notes[i].extra, minor)
	}
	for i := range s.Steps {
		if faults.full() {
			return
		}
		s.Steps[i].faults(faults, fmt.Sprintf("%s.steps[%d]", path, i), minor)
	}
}

// plainSceneHead is what a scene says of itself, for its limits.
type plainSceneHead struct {
	ID    string   `json:"id" jsonschema:"minLength=1,maxLength=64"`
	Title string   `json:"title" jsonschema:"maxLength=200"`
	Show  []string `json:"show,omitempty"`
	Marks string   `json:"marks,omitempty" jsonschema:"enum=above,enum=below"`
	Made  *Made    `json:"made,omitempty"`
	Page  Page     `json:"page,omitempty" jsonschema:"enum=objective,enum=word,enum=blank"`
	Aside string   `json:"aside,omitempty" jsonschema:"maxLength=2000"`
}

func (s *Step) faults(faults *faultList, path string, minor int) {
	faults.unknown(path, s.extra, minor)
	for k, line := range s.Lines() {
		if len(line.Own) > maxText && len([]rune(line.Own)) > maxText {
			faults.add(path+"."+[]string{"say", "ask", "answer", "look"}[k],
				fmt.Sprintf("a line has more than %d letters", maxText))
		}
	}
	if s.Asks != "" && !slices.Contains(say.Kinds(), s.Asks) {
		faults.add(path+".asks", form.Quote(string(s.Asks))+" is not predict, decide, look, say, explain or check")
	}
	if len(s.Moves) > 2000 {
		faults.add(path+".moves", fmt.Sprintf("%d are too many; a step holds 2000", len(s.Moves)))
		return
	}
	faults.limits(path+".write", s.Write)
	if len(s.Write) > 200 {
		faults.add(path+".write", fmt.Sprintf("%d are too many; a step writes 200", len(s.Write)))
	}
	for i := range s.Write {
		faults.unknown(fmt.Sprintf("%s.write[%d]", path, i), s.Write[i].extra, minor)
	}
	for i, mv := range s.Moves {
		if faults.full() {
			return
		}
		faults.all(board.FileFaults(fmt.Sprintf("%s.moves[%d]", path, i), mv))
	}
}

// fits refuses a lesson that has grown too long to be taken away and brought back.
// How long it is at most is reckoned first: writing it out is only needed near the
// limit.
func (l Lesson) fits(before Lesson) error {
	if l.atMost() <= MaxBytes {
		return nil
	}
	now, err := form.JSON(l)
	if err != nil || len(now) <= MaxBytes {
		return err
	}
	if was, err := form.JSON(before); err == nil && len(now) <= len(was) {
		return nil // it is on its way back
	}
	return fmt.Errorf("this lesson is full: it would be longer than %d MB. Begin a new one, or take some scenes or ink "+
		"away", MaxBytes>>20)
}

// Bytes in JSON that one thing takes at most.
const (
	bytesOfPiece  = 200
	bytesOfPoint  = 16
	bytesOfLetter = 6
	bytesOfHead   = 400
)

// atMost is a number of bytes that the lesson's JSON does not exceed.
func (l Lesson) atMost() int {
	n := bytesOfHead + bytesOfLetter*(len(l.Title)+len(l.Objective)+len(l.Words.Shapes)+len(l.Words.Columns))
	for _, e := range l.Record {
		n += bytesOfLetter*(len(e.Text)+len(e.Scene)) + 40 + e.extra.Bytes()
	}
	n += l.extra.Bytes()
	for i := range l.Scenes {
		n += l.Scenes[i].atMost()
	}
	return n
}

func (s *Scene) atMost() int {
	n := bytesOfHead + bytesOfLetter*len(s.Title) + s.Start.Bytes(bytesOfPiece) + s.extra.Bytes() + s.bytesOfSteps()
	for _, name := range s.Show {
		n += len(name) + 4
	}
	if s.Made != nil {
		n += bytesOfLetter*(len(s.Made.Problem)+len(s.Made.Answer)) + 200*(1+len(s.Made.Args)+len(s.Made.Options))
	}
	for i := range s.Ink {
		n += bytesOfPoint*len(s.Ink[i].Points) + 300 + s.Ink[i].extra.Bytes()
	}
	for i := range s.Notes {
		n += bytesOfLetter*len(s.Notes[i].Text) + 300 + s.Notes[i].extra.Bytes()
	}
	return n
}

func (s *Scene) bytesOfSteps() int {
	if s.stepBytes == 0 && len(s.Steps) > 0 {
		raw, err := form.JSON(s.Steps)
		if err != nil {
			return MaxBytes
		}
		return len(raw)
	}
	return s.stepBytes
}
