package lesson

import (
	"encoding/json"
	"errors"
	"fmt"
	"maps"
	"slices"

	"unitbloom/core/form"
	"unitbloom/core/say"
)

// ErrNewer is in the error about a file from a newer version than this core's of
// which nothing can be read, and in that about a change of one that can.
var ErrNewer = errors.New("this file is from a newer version")

// Newer is what there is to know of a lesson that a newer version made. What we
// understand of it is shown; the file is kept as it came.
type Newer struct {
	Format int `json:"format"`
	Minor  int `json:"minor"`
	// Unread is how many of its scenes are not understood here.
	Unread int `json:"unread"`
	file   map[string]json.RawMessage
}

// known are the names that a lesson may require of the program that changes it.
var known = []string{}

// Decode reads a lesson of this format or an older one, and what it understands
// of a newer one. Errors name the field by its path; ErrNewer marks a newer version
// of which nothing is understood.
func Decode(raw []byte) (Lesson, error) {
	head, err := headOf(raw)
	if err != nil {
		return Lesson{}, err
	}
	if *head.Format > Format || slices.ContainsFunc(head.Requires,
		func(name string) bool { return !slices.Contains(known, name) }) {
		return decodeNewer(head, raw)
	}
	if raw, err = Upgrade(*head.Format, raw); err != nil {
		return Lesson{}, err
	}
	l, err := decode(raw)
	if err != nil && head.Minor > Minor {
		// It holds what we could not keep through an edit.
		if newer, readable := decodeNewer(head, raw); readable == nil {
			return newer, nil
		}
	}
	l.Minor = max(l.Minor, Minor)
	return l, err
}

func decode(raw []byte) (Lesson, error) {
	var l Lesson
	var in struct {
		plainLesson
		Scenes []json.RawMessage `json:"scenes"`
		Record []json.RawMessage `json:"record"`
	}
	extra, err := form.Keep(raw, &in)
	if err != nil {
		return l, form.Plain(err)
	}
	l = Lesson(in.plainLesson)
	l.extra = extra
	if len(in.Scenes) > maxScenes {
		return Lesson{}, tooMany("scenes", len(in.Scenes), maxScenes)
	}
	if len(in.Record) > maxRecord {
		return Lesson{}, tooMany("record", len(in.Record), maxRecord)
	}
	l.Scenes = make([]Scene, len(in.Scenes))
	for i, s := range in.Scenes {
		if err := decodeScene(s, &l.Scenes[i]); err != nil {
			return Lesson{}, fmt.Errorf("scenes[%d].%w", i, err)
		}
	}
	if l.Record, err = decodeList[Entry]("record", in.Record); err != nil {
		return Lesson{}, err
	}
	faults := l.needs()
	return l, faults.first()
}

func tooMany(path string, n, most int) error {
	return form.Fault{Path: path, Reason: fmt.Sprintf("%d are too many; it holds %d", n, most)}
}

// The types without their methods, for the standard library to read and write.
type (
	plainLesson Lesson
	plainScene  Scene
	plainStep   Step
	plainWrite  Write
	plainEntry  Entry
	plainStroke Stroke
	plainNote   Note
)

// decodeScene reads a scene field by field, so that an error says where.
func decodeScene(raw []byte, s *Scene) error {
	var in struct {
		plainScene
		Start json.RawMessage   `json:"start"`
		Steps []json.RawMessage `json:"steps"`
		Ink   []json.RawMessage `json:"ink"`
		Notes []json.RawMessage `json:"notes"`
	}
	extra, err := form.Keep(raw, &in)
	if err != nil {
		return form.Plain(err)
	}
	*s = Scene(in.plainScene)
	s.extra = extra
	if in.Start == nil {
		return form.Fault{Path: "start", Reason: "it is missing"}
	}
	if err := json.Unmarshal(in.Start, &s.Start); err != nil {
		return fmt.Errorf("start.%w", form.Plain(err))
	}
	for name, list := range map[string]int{"steps": len(in.Steps) - maxSteps, "ink": len(in.Ink) - maxStrokes,
		"notes": len(in.Notes) - maxNotes} {
		if list > 0 {
			return form.Fault{Path: name, Reason: fmt.Sprintf("there are %d too many of them", list)}
		}
	}
	if s.Steps, err = decodeList[Step]("steps", in.Steps); err != nil {
		return err
	}
	for _, step := range in.Steps {
		s.stepBytes += len(step) + 1
	}
	if s.Ink, err = decodeList[Stroke]("ink", in.Ink); err != nil {
		return err
	}
	s.Notes, err = decodeList[Note]("notes", in.Notes)
	return err
}

// decodeList reads the items of a list, so that an error says which.
// What it is given was read as JSON before, and each reads itself: the ink of a full scene is
// long, and to look over all of it once more is dear in a browser.
func decodeList[T any, P interface {
	*T
	json.Unmarshaler
}](name string, items []json.RawMessage) ([]T, error) {
	if len(items) == 0 {
		return nil, nil
	}
	out := make([]T, len(items))
	for i, raw := range items {
		if err := P(&out[i]).UnmarshalJSON(raw); err != nil {
			var fault form.Fault
			if errors.As(form.Plain(err), &fault) {
				fault.Path = form.Under(fmt.Sprintf("%s[%d]", name, i), fault.Path)
				return nil, fault
			}
			return nil, fmt.Errorf("%s[%d].%w", name, i, form.Plain(err))
		}
	}
	return out, nil
}

// UnmarshalJSON reads a scene on its own, as an edit brings it.
func (s *Scene) UnmarshalJSON(raw []byte) error { return decodeScene(raw, s) }

// UnmarshalJSON keeps the fields of a later minor. In a file of minor 0 a question of
// the catalogue tells its kind by its id.
func (s *Step) UnmarshalJSON(raw []byte) (err error) {
	s.extra, err = form.Keep(raw, (*plainStep)(s))
	if s.Asks == "" {
		s.Asks = say.KindOf(s.Ask.Message.ID)
	}
	return err
}

// UnmarshalJSON keeps the fields of a later minor.
func (w *Write) UnmarshalJSON(raw []byte) (err error) {
	w.extra, err = form.Keep(raw, (*plainWrite)(w))
	return err
}

// UnmarshalJSON keeps the fields of a later minor.
func (e *Entry) UnmarshalJSON(raw []byte) (err error) {
	e.extra, err = form.Keep(raw, (*plainEntry)(e))
	return err
}

// UnmarshalJSON keeps the fields of a later minor.
func (x *Stroke) UnmarshalJSON(raw []byte) (err error) {
	x.extra, err = form.Keep(raw, (*plainStroke)(x))
	return err
}

// UnmarshalJSON keeps the fields of a later minor.
func (x *Note) UnmarshalJSON(raw []byte) (err error) {
	x.extra, err = form.Keep(raw, (*plainNote)(x))
	return err
}

// MarshalJSON writes the lesson; one that is only read as it came, but for its id.
func (l Lesson) MarshalJSON() ([]byte, error) {
	if l.Newer == nil {
		l.Format = Format
		if l.Scenes == nil {
			l.Scenes = []Scene{}
		}
		return form.Write(plainLesson(l), l.extra)
	}
	id, err := json.Marshal(l.ID)
	if err != nil {
		return nil, err
	}
	file := maps.Clone(l.Newer.file)
	file["id"] = id
	return json.Marshal(file)
}

// MarshalJSON writes a scene with the fields of a later minor.
func (s Scene) MarshalJSON() ([]byte, error) { return form.Write(plainScene(s), s.extra) }

// MarshalJSON writes a step with the fields of a later minor. Its lists are there,
// though they be empty.
func (s Step) MarshalJSON() ([]byte, error) {
	if s.Moves == nil {
		s.Moves = noMoves
	}
	if s.Write == nil {
		s.Write = noWrite
	}
	return form.Write(plainStep(s), s.extra)
}

// MarshalJSON writes what a step writes with the fields of a later minor.
func (w Write) MarshalJSON() ([]byte, error) { return form.Write(plainWrite(w), w.extra) }

// MarshalJSON writes a line of the record with the fields of a later minor.
func (e Entry) MarshalJSON() ([]byte, error) { return form.Write(plainEntry(e), e.extra) }

// MarshalJSON writes a stroke with the fields of a later minor.
func (x Stroke) MarshalJSON() ([]byte, error) { return form.Write(plainStroke(x), x.extra) }

// MarshalJSON writes a note with the fields of a later minor.
func (x Note) MarshalJSON() ([]byte, error) { return form.Write(plainNote(x), x.extra) }

// decodeNewer reads what it understands of a newer version: the head, and the
// scenes that are sound by our own rules.
func decodeNewer(head fileHead, raw []byte) (Lesson, error) {
	newer := Newer{Format: *head.Format, Minor: head.Minor}
	if err := json.Unmarshal(raw, &newer.file); err != nil {
		return Lesson{}, form.Plain(err)
	}
	l := Lesson{Format: Format, Newer: &newer}
	var scenes []json.RawMessage
	for field, into := range map[string]any{
		"id": &l.ID, "title": &l.Title, "objective": &l.Objective, "words": &l.Words, "record": &l.Record, "scenes": &scenes,
	} {
		// What is not of our form is left out.
		_ = json.Unmarshal(newer.file[field], into)
	}
	if l.Words.Validate() != nil {
		l.Words = say.Vocabulary{}
	}
	if l.recordFaults() != nil {
		l.Record = nil
	}
	for _, one := range scenes {
		var s Scene
		if err := decodeScene(one, &s); err != nil || len(s.needs("")) > 0 || len(l.Scenes) == maxScenes {
			newer.Unread++
			continue
		}
		if _, i := l.Scene(s.ID); i >= 0 {
			newer.Unread++
			continue
		}
		l.Scenes = append(l.Scenes, s)
	}
	if len(l.headFaults()) > 0 || len(l.Scenes) == 0 && newer.Unread > 0 {
		return Lesson{}, fmt.Errorf("format: %w (%d; this one reads up to %d)", ErrNewer, *head.Format, Format)
	}
	return l, nil
}

// fileHead is what a file says of its own form.
type fileHead struct {
	Format   *int     `json:"format"`
	Minor    int      `json:"minor"`
	Requires []string `json:"requires"`
}

func headOf(raw []byte) (fileHead, error) {
	var head fileHead
	if err := json.Unmarshal(raw, &head); err != nil {
		return head, form.Plain(err)
	}
	switch {
	case head.Format == nil:
		return head, form.Fault{Path: "format", Reason: fmt.Sprintf("it is missing; a lesson file begins with \"format\": %d",
			Format)}
	case *head.Format < 1:
		return head, form.Fault{Path: "format", Reason: fmt.Sprintf("%d is not a format", *head.Format)}
	}
	return head, nil
}
