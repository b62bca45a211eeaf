package door

import (
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
	"unitbloom/core/task"
)

// DeskTask is what a child's device gets of a task: its face with pictures of its boards, and
// where something is to be laid, a lesson of one free board to lay it on. Nothing of a right
// answer is in it.
type DeskTask struct {
	task.Face
	Views []BoardView    `json:"views"`
	Board *lesson.Lesson `json:"board,omitempty"`
	// Task is there where the device may judge an answer while the server is away: it says no more
	// than the face.
	Task *task.Task `json:"task,omitempty"`
}

// Desk is a task as a child gets it. The board counts nothing for her: to count is what she
// is asked for.
func Desk(t task.Task, w say.Vocabulary) (DeskTask, error) {
	face, err := task.FaceOf(t, w)
	if err != nil {
		return DeskTask{}, err
	}
	out := DeskTask{Face: face}
	if task.IsOpen(t) {
		out.Task = &t
	}
	if out.Views, err = boardsSeen(boardsOf(face), w); err != nil {
		return out, err
	}
	if empty, lays := task.Start(t); lays {
		for i := range empty.Tiles {
			empty.Tiles[i].Counts = board.Never
		}
		out.Board = &lesson.Lesson{Format: lesson.Format, Minor: lesson.Minor, Title: face.Ask, Words: w,
			Scenes: []lesson.Scene{{ID: "board", Title: face.Ask, Start: empty}}}
	}
	return out, nil
}

// KindInfo is a kind of tasks, and what a teacher calls it.
type KindInfo struct {
	Kind  string `json:"kind"`
	Title string `json:"title"`
}

func listKinds(_ *Door, _ None) ([]KindInfo, error) {
	out := []KindInfo{}
	for _, spec := range task.Specs() {
		out = append(out, KindInfo{spec.Kind, spec.Title})
	}
	return out, nil
}

// MarkArgs are a task that a device may judge, and what was given.
type MarkArgs struct {
	Task   task.Task      `json:"task"`
	Answer task.Answer    `json:"answer"`
	Words  say.Vocabulary `json:"words"`
}

// Marked is whether an answer is right, and where it is not yet, a question and the blank it is of.
type Marked struct {
	Right bool   `json:"right"`
	Hint  string `json:"hint"`
	At    string `json:"at,omitempty"`
}

func mark(_ *Door, a MarkArgs) (Marked, error) {
	v, err := task.Mark(a.Task, a.Answer, a.Words)
	return Marked{v.Right, v.Hint, v.At}, err
}

// WorkView is an answer as it is put up for the class: how it is read, what it is of, how a
// written method was worked, and pictures of what was laid, or of what was looked at.
type WorkView struct {
	Of      string          `json:"of"`
	Lines   []string        `json:"lines"`
	Columns []task.FaceLine `json:"columns,omitempty"`
	Views   []BoardView     `json:"views"`
}

// Work is what is put up of an answer.
func Work(t task.Task, a task.Answer, w say.Vocabulary) (v WorkView, err error) {
	face, err := task.FaceOf(t, w)
	if err != nil {
		return v, err
	}
	var texts []string
	for _, b := range face.Blanks {
		if b.Gives == task.OnBoard && a[b.ID] != "" {
			texts = append(texts, a[b.ID])
		}
	}
	if len(texts) == 0 {
		texts = boardsOf(face)
	}
	v.Of = face.Ask
	if v.Views, err = boardsSeen(texts, w); err != nil {
		return v, err
	}
	if v.Columns, err = task.Columns(t, a, w); err != nil {
		return v, err
	}
	v.Lines, err = task.Lines(t, a, w)
	return v, err
}

// ReplayStep is a board as it lay on the way to an answer: of which blank, and its picture.
type ReplayStep struct {
	Of   string    `json:"of"`
	View BoardView `json:"view"`
}

// Replay is the way to an answer, board after board. What does not belong to the task, or cannot be
// read, is left out: it came from a device.
func Replay(t task.Task, trail []task.Laid, w say.Vocabulary) ([]ReplayStep, error) {
	face, err := task.FaceOf(t, w)
	if err != nil {
		return nil, err
	}
	steps := []ReplayStep{}
	for _, laid := range trail {
		i := slices.IndexFunc(face.Blanks, func(b task.Blank) bool { return b.ID == laid.Blank && b.Gives == task.OnBoard })
		if i < 0 {
			continue
		}
		views, err := boardsSeen([]string{laid.Board}, w)
		if err != nil {
			continue
		}
		steps = append(steps, ReplayStep{face.Blanks[i].Label, views[0]})
	}
	return steps, nil
}

// GroupView is children who answered alike, with pictures of what they laid.
type GroupView struct {
	task.Group
	Views []BoardView `json:"views"`
}

// Gathered is what a class handed in of a task, by what was answered.
type Gathered struct {
	Groups   []GroupView `json:"groups"`
	Mistakes []task.Told `json:"mistakes"`
}

// Gather puts what was handed in of a task into groups of alike answers, with pictures.
func Gather(handed []task.Handed, own bool, w say.Vocabulary) (Gathered, error) {
	groups, told, err := task.Gather(handed, own, w)
	out := Gathered{[]GroupView{}, told}
	if err != nil {
		return out, err
	}
	for _, g := range groups {
		views, err := boardsSeen(g.Boards, w)
		if err != nil {
			views = []BoardView{} // what cannot be read is told by its lines
		}
		out.Groups = append(out.Groups, GroupView{g, views})
	}
	return out, nil
}
