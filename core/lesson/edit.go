package lesson

import (
	"fmt"
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/say"
)

// Edit is one change of a lesson, as data: what a save carries from the browser
// to the server. Which fields hold is told by Kind.
type Edit struct {
	Kind string `json:"kind" jsonschema:"required,enum=play,enum=putScene,enum=removeScene,enum=orderScenes,enum=setLesson,enum=setRecord,enum=ink,enum=notes"`
	// Scene is the scene of play and removeScene.
	Scene string `json:"scene,omitempty"`
	// Moves are played on a free board.
	Moves []board.Move `json:"moves,omitempty"`
	// Put replaces the scene of its id, or is inserted at At, or at the end.
	Put *Scene `json:"put,omitempty"`
	At  *int   `json:"at,omitempty"`
	// Order lists every scene id once.
	Order []string `json:"order,omitempty"`
	// Head replaces title, objective and words.
	Head *Head `json:"head,omitempty"`
	// Record replaces the record.
	Record []Entry `json:"record,omitempty"`
	// Strokes and Notes are put over the board of Scene, each in the place of its
	// id or as a new one; Erase names those that go.
	Strokes []Stroke `json:"strokes,omitempty"`
	Notes   []Note   `json:"notes,omitempty"`
	Erase   []string `json:"erase,omitempty"`
}

// Head is what a lesson says of itself.
type Head struct {
	Title     string    `json:"title" jsonschema:"required"`
	Objective string    `json:"objective"`
	Words     say.Words `json:"words"`
}

// Apply makes the edit. On an error, which names the field, the lesson is
// returned as it was.
func Apply(l Lesson, e Edit) (Lesson, error) {
	if l.Newer != nil {
		return l, fmt.Errorf("%s: %w and is only read here", e.Kind, ErrNewer)
	}
	next, err := l.edited(e)
	if err != nil {
		return l, fmt.Errorf("%s: %w", e.Kind, err)
	}
	return next, nil
}

func (l Lesson) edited(e Edit) (Lesson, error) {
	switch e.Kind {
	case "play":
		return l.play(e)
	case "putScene":
		return l.putScene(e)
	case "removeScene":
		_, i := l.Scene(e.Scene)
		if i < 0 {
			return l, noScene(e.Scene)
		}
		l.Scenes = slices.Delete(slices.Clone(l.Scenes), i, i+1)
		return l, nil
	case "orderScenes":
		return l.order(e.Order)
	case "setLesson":
		if e.Head == nil {
			return l, fmt.Errorf("head: it is missing")
		}
		l.Title, l.Objective, l.Words = e.Head.Title, e.Head.Objective, e.Head.Words
		return l, first(l.headFaults())
	case "setRecord":
		l.Record = slices.Clone(e.Record)
		return l, first(l.recordFaults())
	case "ink":
		return l.draw(e)
	case "notes":
		return l.note(e)
	}
	return l, fmt.Errorf("there is no such edit. Edits are play, putScene, removeScene, orderScenes, setLesson, setRecord, ink, notes")
}

func noScene(id string) error { return fmt.Errorf("scene: there is no scene %q in this lesson", id) }

func (l Lesson) play(e Edit) (Lesson, error) {
	s, i := l.Scene(e.Scene)
	if i < 0 {
		return l, noScene(e.Scene)
	}
	if len(s.Steps) > 0 {
		return l, fmt.Errorf("scene: %q has steps; only a free board is played on", e.Scene)
	}
	b, err := board.ApplyAll(s.Start, e.Moves)
	if err != nil {
		return l, fmt.Errorf("moves: %w", err)
	}
	return l.withScene(i, s.Played(b, e.Moves)), nil
}

func (l Lesson) withScene(i int, s Scene) Lesson {
	l.Scenes = slices.Clone(l.Scenes)
	l.Scenes[i] = s
	return l
}

func (l Lesson) putScene(e Edit) (Lesson, error) {
	if e.Put == nil {
		return l, fmt.Errorf("put: it is missing")
	}
	if faults := e.Put.faults("put"); len(faults) > 0 {
		return l, first(faults)
	}
	if _, i := l.Scene(e.Put.ID); i >= 0 {
		return l.withScene(i, *e.Put), nil
	}
	at := len(l.Scenes)
	if e.At != nil {
		at = *e.At
	}
	if at < 0 || at > len(l.Scenes) {
		return l, fmt.Errorf("at: %d is not from 0 to %d", at, len(l.Scenes))
	}
	if len(l.Scenes) == maxScenes {
		return l, fmt.Errorf("put: a lesson holds %d scenes", maxScenes)
	}
	l.Scenes = slices.Insert(slices.Clone(l.Scenes), at, *e.Put)
	return l, nil
}

func (l Lesson) order(ids []string) (Lesson, error) {
	var scenes []Scene
	for _, id := range ids {
		s, i := l.Scene(id)
		if i < 0 {
			return l, noScene(id)
		}
		scenes = append(scenes, s)
	}
	sorted := slices.Compact(slices.Sorted(slices.Values(ids)))
	if len(sorted) != len(l.Scenes) || len(ids) != len(l.Scenes) {
		return l, fmt.Errorf("order: it must name each of the %d scenes once", len(l.Scenes))
	}
	l.Scenes = scenes
	return l, nil
}

// Difference is the edits that turn one lesson into another: what undo sends.
// same reports whether two scenes are known to be equal without a look inside.
func Difference(from, to Lesson, same func(a, b *Scene) bool) []Edit {
	var edits []Edit
	if from.Title != to.Title || from.Objective != to.Objective || from.Words != to.Words {
		edits = append(edits, Edit{Kind: "setLesson", Head: &Head{to.Title, to.Objective, to.Words}})
	}
	for _, s := range from.Scenes {
		if _, i := to.Scene(s.ID); i < 0 {
			edits = append(edits, Edit{Kind: "removeScene", Scene: s.ID})
		}
	}
	for i := range to.Scenes {
		s := &to.Scenes[i]
		if _, j := from.Scene(s.ID); j < 0 || !same(&from.Scenes[j], s) {
			edits = append(edits, Edit{Kind: "putScene", Put: s})
		}
	}
	if order := ids(to.Scenes); !slices.Equal(ids(from.Scenes), order) {
		edits = append(edits, Edit{Kind: "orderScenes", Order: order})
	}
	if !slices.Equal(from.Record, to.Record) {
		edits = append(edits, Edit{Kind: "setRecord", Record: to.Record})
	}
	return edits
}

func ids(scenes []Scene) []string {
	out := make([]string, len(scenes))
	for i, s := range scenes {
		out[i] = s.ID
	}
	return out
}
