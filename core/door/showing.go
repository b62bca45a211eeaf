package door

import (
	"encoding/json"
	"fmt"
	"slices"

	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

// A showing is one presenting of a lesson to a class: a document of its own, begun as the
// lesson was prepared. What is done by hand on a free board belongs to it, so that the next
// class finds the lesson as it was.

// ShowingArgs name the document that a showing becomes. Lesson is what an earlier one
// came to, where that is gone on with.
type ShowingArgs struct {
	ID     string          `json:"id"`
	Lesson json.RawMessage `json:"lesson,omitempty"`
}

// beginShowing opens a showing of the lesson behind a handle of its own, at the place where
// the lesson stands.
func beginShowing(s *session, a ShowingArgs) (Opened, error) {
	doc := s.doc
	if len(a.Lesson) > 0 {
		var err error
		if doc, err = lesson.Decode(a.Lesson); err != nil {
			return Opened{}, err
		}
	}
	doc.ID = a.ID
	s.door.last++
	shown := &session{door: s.door, handle: s.door.last, doc: doc, showing: true, present: true, way: s.way,
		scene: s.scene, step: s.step, phase: s.phase}
	shown.settle()
	s.door.sessions[shown.handle] = shown
	return Opened{shown.handle, shown.outline()}, nil
}

// BetweenArgs name a scene, and the other document: the lesson of a showing, or a showing
// of the lesson.
type BetweenArgs struct {
	Other int    `json:"other"`
	Scene string `json:"scene"`
}

// other is the other open document.
func (s *session) other(a BetweenArgs) (lesson.Lesson, error) {
	o, ok := s.door.sessions[a.Other]
	if !ok {
		return lesson.Lesson{}, fmt.Errorf("other: handle %d is not open", a.Other)
	}
	return o.doc, nil
}

// otherScene is the scene in the other document.
func (s *session) otherScene(a BetweenArgs) (lesson.Scene, error) {
	doc, err := s.other(a)
	if err != nil {
		return lesson.Scene{}, err
	}
	sc, i := doc.Scene(a.Scene)
	if i < 0 {
		return lesson.Scene{}, say.Refuse("not-prepared")
	}
	return sc, nil
}

// startAgain brings a scene of the showing back to how it was prepared, as one undo. The
// record stays.
func startAgain(s *session, a BetweenArgs) (Update, error) {
	prepared, err := s.otherScene(a)
	if err != nil {
		return Update{}, err
	}
	u, err := s.changeScene(a.Scene, func(sc *lesson.Scene) error {
		was := sc.Start
		*sc = prepared
		sc.Start = sc.Start.After(was)
		return nil
	})
	if err != nil {
		return Update{}, err
	}
	s.step, s.phase, s.scratch, s.revealed = 0, lesson.Rest, nil, nil
	return s.update(u.Edits), nil
}

// keepInLesson keeps a scene of a showing in the lesson, as one undo: in the place of the
// scene that it was, or after the others.
func keepInLesson(s *session, a BetweenArgs) (Update, error) {
	shown, err := s.otherScene(a)
	if err != nil {
		return Update{}, err
	}
	if s.doc.Newer != nil {
		return Update{}, say.Refuse("newer")
	}
	if was, i := s.doc.Scene(a.Scene); i >= 0 {
		shown.Start = shown.Start.After(was.Start)
	}
	return s.edit(lesson.Edit{Kind: "putScene", Put: &shown})
}

// keepRecord adds the lines of a showing's record to the lesson's, each once.
func keepRecord(s *session, a BetweenArgs) (Update, error) {
	shown, err := s.other(a)
	if err != nil {
		return Update{}, err
	}
	record := slices.Clone(s.doc.Record)
	for _, line := range shown.Record {
		if !slices.ContainsFunc(record, func(e lesson.Entry) bool { return e.Text == line.Text && e.Scene == line.Scene }) {
			record = append(record, line)
		}
	}
	return s.edit(lesson.Edit{Kind: "setRecord", Record: record})
}
