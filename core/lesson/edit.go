package lesson

import (
	"errors"
	"fmt"
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/form"
	"unitbloom/core/say"
)

// Edit is one change of a lesson, as data: what a save carries from the browser
// to the server. Which fields hold is told by Kind.
type Edit struct {
	Kind string `json:"kind" jsonschema:"required,enum=play,enum=putScene,enum=removeScene,enum=orderScenes,enum=setScene,enum=setBoard,enum=steps,enum=setLesson,enum=record,enum=setRecord,enum=ink,enum=notes"`
	// Scene is the scene that the edit is about.
	Scene string `json:"scene,omitempty"`
	// Moves are played on a free board.
	Moves []board.Move `json:"moves,omitempty"`
	// Put replaces the scene of its id, or is inserted at At, or at the end.
	Put *Scene `json:"put,omitempty"`
	At  *int   `json:"at,omitempty"`
	// Order lists every scene id once; of ink and notes, the ids in the order in
	// which they lie over one another.
	Order []string `json:"order,omitempty"`
	// Head replaces title, objective and words, SceneHead what a scene says of itself.
	Head      *Head      `json:"head,omitempty"`
	SceneHead *SceneHead `json:"sceneHead,omitempty"`
	// Start replaces the start board of a scene.
	Start *board.Board `json:"start,omitempty"`
	// Drop items of the steps or the record go at At, and Steps or Record come there.
	Drop  int    `json:"drop,omitempty"`
	Steps []Step `json:"steps,omitempty"`
	// Record replaces the record, or comes into it.
	Record []Entry `json:"record,omitempty"`
	// Strokes and Notes are put over the board of Scene, each in the place of its
	// id or as a new one; Erase names those that go.
	Strokes []Stroke `json:"strokes,omitempty"`
	Notes   []Note   `json:"notes,omitempty"`
	Erase   []string `json:"erase,omitempty"`
}

// Head is what a lesson says of itself.
type Head struct {
	Title     string         `json:"title" jsonschema:"required"`
	Objective string         `json:"objective"`
	Words     say.Vocabulary `json:"words"`
}

// SceneHead is what a scene says of itself.
type SceneHead struct {
	Title string   `json:"title"`
	Show  []string `json:"show"`
	Marks string   `json:"marks"`
	Made  *Made    `json:"made,omitempty"`
	Page  Page     `json:"page,omitempty" jsonschema:"enum=objective,enum=word,enum=blank"`
	Aside string   `json:"aside,omitempty" jsonschema:"maxLength=2000"`
}

// Apply makes the edit. On an error, which names the field, the lesson is
// returned as it was. What comes out can be kept, taken away and brought back: the
// edit itself is held to the file form, and the whole to its length.
func Apply(l Lesson, e Edit) (Lesson, error) {
	if l.Newer != nil {
		return l, fmt.Errorf("%s: %w and is only read here", form.Cut(e.Kind), ErrNewer)
	}
	next, err := l.edited(e)
	if err == nil {
		err = next.fits(l)
	}
	if err != nil {
		return l, fmt.Errorf("%s: %w", form.Cut(e.Kind), err)
	}
	return next, nil
}

// Redo makes an edit that was made and kept before. It is not held to limits that
// may have come since: what was taken once is not lost.
func Redo(l Lesson, e Edit) (Lesson, error) {
	next, err := l.edited(e)
	var over form.Fault
	if err != nil && !errors.As(err, &over) {
		return l, err
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
	case "setScene", "setBoard", "steps":
		return l.changeScene(e)
	case "setLesson":
		if e.Head == nil {
			return l, fmt.Errorf("head: it is missing")
		}
		l.Title, l.Objective, l.Words = e.Head.Title, e.Head.Objective, e.Head.Words
		faults := l.headFaults()
		return l, faults.first()
	case "record", "setRecord":
		return l.keepRecord(e)
	case "ink":
		return inkLayer.change(l, e, e.Strokes)
	case "notes":
		return noteLayer.change(l, e, e.Notes)
	}
	return l, fmt.Errorf("there is no such edit. Edits are play, putScene, removeScene, orderScenes, setScene, " +
		"setBoard, steps, " +
		"setLesson, record, setRecord, ink, notes")
}

// changeScene changes a part of one scene: its head, its start board, some steps.
func (l Lesson) changeScene(e Edit) (Lesson, error) {
	s, i := l.Scene(e.Scene)
	if i < 0 {
		return l, noScene(e.Scene)
	}
	var faults faultList
	switch e.Kind {
	case "setScene":
		if e.SceneHead == nil {
			return l, fmt.Errorf("sceneHead: it is missing")
		}
		h := e.SceneHead
		s.Title, s.Show, s.Marks, s.Made = h.Title, h.Show, h.Marks, h.Made
		s.Page, s.Aside = h.Page, h.Aside
		faults.limits("sceneHead", plainSceneHead{s.ID, s.Title, s.Show, s.Marks, s.Made, s.Page, s.Aside})
	case "setBoard":
		if e.Start == nil {
			return l, fmt.Errorf("start: it is missing")
		}
		s.Start = *e.Start
		faults.unknownNames("start", s.Start.Unknown(), l.Minor)
	case "steps":
		steps, err := spliced("steps", s.Steps, e, e.Steps, maxSteps)
		if err != nil {
			return l, err
		}
		s.Steps, s.stepBytes = steps, 0
		for k := range e.Steps {
			e.Steps[k].faults(&faults, fmt.Sprintf("steps[%d]", k), l.Minor)
		}
		s.stepBytes = s.bytesOfSteps()
	}
	return l.withScene(i, s), faults.first()
}

func (l Lesson) keepRecord(e Edit) (Lesson, error) {
	if e.Kind == "setRecord" {
		l.Record = slices.Clone(e.Record)
	} else {
		record, err := spliced("record", l.Record, e, e.Record, maxRecord)
		if err != nil {
			return l, err
		}
		l.Record = record
	}
	faults := l.recordFaults()
	faults.limits("record", e.Record)
	for k := range e.Record {
		faults.unknown(fmt.Sprintf("record[%d]", k), e.Record[k].extra, l.Minor)
	}
	return l, faults.first()
}

// spliced is a list in which some items went and others came.
func spliced[T any](name string, list []T, e Edit, come []T, most int) ([]T, error) {
	at := len(list)
	if e.At != nil {
		at = *e.At
	}
	if at < 0 || at > len(list) || e.Drop < 0 || e.Drop > len(list)-at {
		return nil, fmt.Errorf("at: %s %d to %d are not among %d", name, at+1, at+e.Drop, len(list))
	}
	if len(list)-e.Drop+len(come) > most {
		return nil, tooMany(name, len(list)-e.Drop+len(come), most)
	}
	out := slices.Concat(list[:at], come, list[at+e.Drop:])
	if len(out) == 0 {
		out = nil
	}
	return out, nil
}

func noScene(id string) error {
	return fmt.Errorf("scene: there is no scene %s in this lesson", form.Quote(id))
}

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

// Play is the lesson with a free board after moves that were made already: what
// Apply of a play comes to, without making them again.
func Play(l Lesson, scene string, next board.Board, moves ...board.Move) (Lesson, error) {
	s, i := l.Scene(scene)
	if i < 0 {
		return l, noScene(scene)
	}
	played := l.withScene(i, s.Played(next, moves))
	return played, played.fits(l)
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
	put := *e.Put
	put.stepBytes = put.bytesOfSteps()
	faults := put.needs("put")
	put.faults(&faults, "put", l.Minor)
	if _, i := l.Scene(put.ID); i >= 0 {
		return l.withScene(i, put), faults.first()
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
	l.Scenes = slices.Insert(slices.Clone(l.Scenes), at, put)
	return l, faults.first()
}

func (l Lesson) order(ids []string) (Lesson, error) {
	scenes := make([]Scene, 0, len(l.Scenes))
	if len(ids) > len(l.Scenes) {
		return l, fmt.Errorf("order: it must name each of the %d scenes once", len(l.Scenes))
	}
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
