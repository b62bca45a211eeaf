package lesson

import (
	"encoding/json"
	"errors"
	"fmt"
	"maps"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/say"
)

// ErrNewer is in the error about a file from a newer format than this core's of
// which nothing can be read, and in that about a change of one that can.
var ErrNewer = errors.New("this file is from a newer version")

// Newer is what there is to know of a lesson whose format is newer than ours.
// What we understand of it is shown; the file is kept as it came.
type Newer struct {
	Format int `json:"format"`
	// Unread is how many of its scenes are not understood here.
	Unread int `json:"unread"`
	file   map[string]json.RawMessage
}

// MarshalJSON writes the lesson; one of a newer format as it came, but for its
// id.
func (l Lesson) MarshalJSON() ([]byte, error) {
	if l.Newer == nil {
		type plain Lesson
		return json.Marshal(plain(l))
	}
	id, err := json.Marshal(l.ID)
	if err != nil {
		return nil, err
	}
	file := maps.Clone(l.Newer.file)
	file["id"] = id
	return json.Marshal(file)
}

// decodeNewer reads what it understands of a newer format: the head, and the
// scenes that are sound by our own rules.
func decodeNewer(format int, raw []byte) (Lesson, error) {
	newer := Newer{Format: format}
	if err := json.Unmarshal(raw, &newer.file); err != nil {
		return Lesson{}, plainJSON(err)
	}
	l := Lesson{Format: Format, Newer: &newer}
	var scenes []json.RawMessage
	for field, into := range map[string]any{"id": &l.ID, "title": &l.Title, "objective": &l.Objective, "words": &l.Words, "record": &l.Record, "scenes": &scenes} {
		// What is not of our form is left out.
		_ = json.Unmarshal(newer.file[field], into)
	}
	if l.Words.Validate() != nil {
		l.Words = say.Words{}
	}
	if l.recordFaults() != nil {
		l.Record = nil
	}
	for _, one := range scenes {
		var s Scene
		if err := decodeScene(one, &s); err != nil || len(s.faults("")) > 0 || len(l.Scenes) == maxScenes {
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
		return Lesson{}, fmt.Errorf("format: %w (%d; this one reads up to %d)", ErrNewer, format, Format)
	}
	return l, nil
}

const (
	maxScenes = 200
	maxSteps  = 500
	maxText   = 2000
)

// Fault is one thing wrong with a document: where, and what.
type Fault struct {
	Path   string `json:"path"`
	Reason string `json:"reason"`
}

// Error is the fault as one line.
func (f Fault) Error() string { return f.Path + ": " + f.Reason }

func first(faults []Fault) error {
	if len(faults) == 0 {
		return nil
	}
	return faults[0]
}

// upgraders turn the raw JSON of a format into that of the next; upgraders[0]
// reads format 1. They are never changed once a format is out.
var upgraders []func(json.RawMessage) (json.RawMessage, error)

// Decode reads a lesson of this format or an older one, and what it understands
// of a newer one. Errors name the field by its path; ErrNewer marks a newer format
// of which nothing is understood.
func Decode(raw []byte) (Lesson, error) {
	format, err := formatOf(raw)
	if err != nil {
		return Lesson{}, err
	}
	if format > Format {
		return decodeNewer(format, raw)
	}
	if raw, err = upgrade(format, raw); err != nil {
		return Lesson{}, err
	}
	var in struct {
		Lesson
		Scenes []json.RawMessage `json:"scenes"`
	}
	if err := json.Unmarshal(raw, &in); err != nil {
		return Lesson{}, plainJSON(err)
	}
	l := in.Lesson
	l.Scenes = make([]Scene, len(in.Scenes))
	for i, s := range in.Scenes {
		if err := decodeScene(s, &l.Scenes[i]); err != nil {
			return Lesson{}, fmt.Errorf("scenes[%d].%w", i, err)
		}
	}
	return l, first(l.Faults())
}

// decodeScene reads a scene field by field, so that an error says where.
func decodeScene(raw []byte, s *Scene) error {
	var in struct {
		Scene
		Start json.RawMessage   `json:"start"`
		Steps []json.RawMessage `json:"steps"`
	}
	if err := json.Unmarshal(raw, &in); err != nil {
		return plainJSON(err)
	}
	*s = in.Scene
	if in.Start == nil {
		return Fault{"start", "it is missing"}
	}
	if err := json.Unmarshal(in.Start, &s.Start); err != nil {
		return fmt.Errorf("start.%w", plainJSON(err))
	}
	s.Steps = make([]Step, len(in.Steps))
	for i, step := range in.Steps {
		if err := json.Unmarshal(step, &s.Steps[i]); err != nil {
			return fmt.Errorf("steps[%d].%w", i, plainJSON(err))
		}
	}
	if len(s.Steps) == 0 {
		s.Steps = nil
	}
	return nil
}

func formatOf(raw []byte) (int, error) {
	var head struct {
		Format *int `json:"format"`
	}
	if err := json.Unmarshal(raw, &head); err != nil {
		return 0, plainJSON(err)
	}
	switch {
	case head.Format == nil:
		return 0, Fault{"format", "it is missing; a lesson file begins with \"format\": 1"}
	case *head.Format < 1:
		return 0, Fault{"format", fmt.Sprintf("%d is not a format", *head.Format)}
	}
	return *head.Format, nil
}

func upgrade(format int, raw []byte) ([]byte, error) {
	var err error
	for f := format; f < Format; f++ {
		if raw, err = upgraders[f-1](raw); err != nil {
			return nil, fmt.Errorf("format %d: %w", f, err)
		}
	}
	return raw, nil
}

// plainJSON words the errors of encoding/json for people, with a path.
func plainJSON(err error) error {
	var te *json.UnmarshalTypeError
	var se *json.SyntaxError
	switch {
	case errors.As(err, &te):
		return Fault{te.Field, "this is not what belongs here (" + te.Value + ")"}
	case errors.As(err, &se):
		return Fault{"file", fmt.Sprintf("this is not JSON, at byte %d", se.Offset)}
	case strings.Contains(err.Error(), "unexpected end"):
		return Fault{"file", "it ends too early"}
	}
	return err
}

// Faults lists what is wrong with the lesson, nothing when it is sound.
func (l Lesson) Faults() []Fault {
	faults := append(l.headFaults(), l.recordFaults()...)
	if len(l.Scenes) > maxScenes {
		faults = append(faults, Fault{"scenes", fmt.Sprintf("%d are too many; a lesson holds %d", len(l.Scenes), maxScenes)})
	}
	seen := map[string]bool{}
	for i, s := range l.Scenes {
		path := fmt.Sprintf("scenes[%d]", i)
		faults = append(faults, s.faults(path)...)
		if seen[s.ID] {
			faults = append(faults, Fault{path + ".id", fmt.Sprintf("another scene is called %q too", s.ID)})
		}
		seen[s.ID] = true
	}
	return faults
}

func (l Lesson) headFaults() []Fault {
	var faults []Fault
	if strings.TrimSpace(l.Title) == "" || len([]rune(l.Title)) > 200 {
		faults = append(faults, Fault{"title", "a lesson needs a title of at most 200 letters"})
	}
	if len([]rune(l.Objective)) > maxText {
		faults = append(faults, Fault{"objective", fmt.Sprintf("it has more than %d letters", maxText)})
	}
	if err := l.Words.Validate(); err != nil {
		path, reason, _ := strings.Cut(err.Error(), ": ")
		faults = append(faults, Fault{path, reason})
	}
	return faults
}

func (l Lesson) recordFaults() []Fault {
	if len(l.Record) > maxText {
		return []Fault{{"record", fmt.Sprintf("%d lines are too many; it holds %d", len(l.Record), maxText)}}
	}
	for i, e := range l.Record {
		if e.Text == "" || len([]rune(e.Text)) > 500 {
			return []Fault{{fmt.Sprintf("record[%d].text", i), "a line has 1 to 500 letters"}}
		}
	}
	return nil
}

func (s Scene) faults(path string) []Fault {
	faults := s.overlayFaults(path)
	if s.ID == "" || len(s.ID) > 64 {
		faults = append(faults, Fault{path + ".id", "a scene needs an id of 1 to 64 letters"})
	}
	if len([]rune(s.Title)) > 200 {
		faults = append(faults, Fault{path + ".title", "it has more than 200 letters"})
	}
	if n := len(s.Start.Models); n < 1 || n > board.MaxModels {
		faults = append(faults, Fault{path + ".start.models", "a board holds one to four models"})
	}
	if len(s.Steps) > maxSteps {
		faults = append(faults, Fault{path + ".steps", fmt.Sprintf("%d are too many; a scene holds %d", len(s.Steps), maxSteps)})
	}
	if s.Marks != "" && s.Marks != "above" && s.Marks != "below" {
		faults = append(faults, Fault{path + ".marks", fmt.Sprintf("%q is not above or below", s.Marks)})
	}
	for i, step := range s.Steps {
		for _, line := range step.Lines() {
			if len([]rune(line.Own)) > maxText {
				faults = append(faults, Fault{fmt.Sprintf("%s.steps[%d]", path, i), fmt.Sprintf("a line has more than %d letters", maxText)})
			}
		}
	}
	return faults
}
