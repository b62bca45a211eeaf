package door

import (
	"fmt"

	"unitbloom/core/board"
	"unitbloom/core/form"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/say"
	"unitbloom/core/task"
)

// PanelsArgs ask for a scene as pictures one after another: as each step is over, or with
// phases at every press.
type PanelsArgs struct {
	Scene  string `json:"scene"`
	Phases bool   `json:"phases,omitempty"`
}

// Panel is what the class sees at a position.
type Panel struct {
	Step   int           `json:"step"`
	Phase  lesson.Phase  `json:"phase"`
	Prompt StepLine      `json:"prompt"`
	Board  BoardView     `json:"board"`
	Lines  []WrittenLine `json:"lines"`
	// Written is the written work so far.
	Written *Written `json:"written,omitempty"`
	// Still says that no piece has moved since the panel before.
	Still bool `json:"still,omitempty"`
}

// Panels are the pictures of a scene. A free board has one.
type Panels struct {
	Panels []Panel `json:"panels"`
}

func panels(s *session, a PanelsArgs) (Panels, error) {
	sc, i := s.doc.Scene(a.Scene)
	if i < 0 {
		return Panels{}, fmt.Errorf("scene: there is no scene %s in this lesson", form.Quote(a.Scene))
	}
	there := *s
	there.scene, there.phase, there.scratch, there.stage, there.present = sc.ID, lesson.Rest, nil, stage{}, true
	out := Panels{[]Panel{}}
	if len(sc.Steps) == 0 || a.Phases {
		there.step = 0
		out.Panels = append(out.Panels, there.panel(sc, false))
	}
	for n, step := range sc.Steps {
		there.step = n
		moved := false
		if a.Phases {
			for _, there.phase = range step.Phases() {
				out.Panels = append(out.Panels, there.panel(sc, moved || !step.Made(there.phase)))
				moved = moved || step.Made(there.phase)
			}
		}
		there.step, there.phase = n+1, lesson.Rest
		out.Panels = append(out.Panels, there.panel(sc, n > 0 && len(step.Moves) == 0 || moved))
	}
	return out, nil
}

func (s *session) panel(sc lesson.Scene, still bool) Panel {
	b := s.board()
	p := Panel{Step: s.step, Phase: s.phase, Prompt: s.prompt(sc), Board: s.view(b, s.shownLayouts(b), sc), Still: still}
	p.Written, p.Lines = written(sc, s.step, b, s.doc.Words)
	if len(sc.Steps) == 0 {
		p.Written = s.following(sc, b)
	}
	return p
}

// SheetArgs are what a sheet for children is made of: scenes of the lesson, and lines typed
// for it alone; and what is wanted of them.
type SheetArgs struct {
	Scenes []string `json:"scenes"`
	Text   string   `json:"text,omitempty"`
	task.Wanted
}

// SheetView is a sheet as it is printed. Without are the kinds for which nothing was found.
type SheetView struct {
	Tasks   []TaskView  `json:"tasks"`
	Without []string    `json:"without"`
	Faults  []LineFault `json:"faults"`
}

// TaskView is a task as it is printed, with pictures of its boards and the lines of the answer
// page.
type TaskView struct {
	task.Face
	Views   []BoardView `json:"views"`
	Answers []string    `json:"answers"`
}

func sheet(s *session, a SheetArgs) (SheetView, error) {
	out := SheetView{Tasks: []TaskView{}, Without: []string{}, Faults: []LineFault{}}
	var scenes []lesson.Scene
	for _, id := range a.Scenes {
		sc, i := s.doc.Scene(id)
		if i < 0 {
			return out, fmt.Errorf("scenes: there is no scene %s in this lesson", form.Quote(id))
		}
		scenes = append(scenes, sc)
	}
	if a.Text != "" {
		granted, faults := method.Grant(a.Text, nil, s.doc.Words)
		for _, f := range faults {
			out.Faults = append(out.Faults, LineFault{f.Line, sentenceOf(f.Err, s.doc.Words)})
		}
		scenes = append(scenes, granted.Scenes...)
	}
	tasks, err := task.Sheet(scenes, a.Wanted)
	if err != nil {
		return out, err
	}
	found := map[string]bool{}
	for _, t := range tasks {
		found[t.Kind] = true
		view, err := Printed(t, s.doc.Words)
		if err != nil {
			return out, err
		}
		out.Tasks = append(out.Tasks, view)
	}
	for _, kind := range a.Kinds {
		if !found[kind] {
			out.Without = append(out.Without, kind)
		}
	}
	return out, nil
}

// Printed is a task as it is printed.
func Printed(t task.Task, w say.Vocabulary) (TaskView, error) {
	face, err := task.FaceOf(t, w)
	if err != nil {
		return TaskView{}, err
	}
	v := TaskView{Face: face}
	if v.Answers, err = task.Answers(t, w); err != nil {
		return v, err
	}
	v.Views, err = boardsSeen(boardsOf(face), w)
	return v, err
}

// boardsOf are the boards that a face has to look at, in notation.
func boardsOf(f task.Face) []string {
	var texts []string
	for _, picture := range f.Boards {
		texts = append(texts, picture.Board)
	}
	return texts
}

// boardsSeen are boards in notation as pictures.
func boardsSeen(texts []string, w say.Vocabulary) ([]BoardView, error) {
	s := &session{door: New(), doc: lesson.Lesson{Words: w}}
	views := []BoardView{}
	for _, text := range texts {
		b, err := board.Parse(text)
		if err != nil {
			return nil, err
		}
		views = append(views, s.pictured(b))
	}
	return views, nil
}

// broad is how a picture is laid: what is beyond a row of ten beside it, as pictures stand in rooms
// that are wider than they are high.
var broad = board.Room{Way: board.Way{Abreast: true}}

// pictured is a board of its own as a picture, without counts and read-outs.
func (s *session) pictured(b board.Board) BoardView {
	sc := lesson.Scene{ID: "paper", Start: b}
	there := &session{door: s.door, doc: lesson.Lesson{Words: s.doc.Words, Scenes: []lesson.Scene{sc}}, scene: sc.ID}
	laid := there.loose(b)
	for i, l := range laid {
		if !broad.Differs(l.Room) {
			continue
		}
		if wide := b.ShownIn(i, broad); max(wide.W, 2*wide.H) < max(l.W, 2*l.H) {
			laid[i] = spelled(wide, s.doc.Words)
		}
	}
	return there.view(b, laid, sc)
}
