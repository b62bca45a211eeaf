package door

import (
	"fmt"
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/say"
)

// capture is a worked example in the making: the teacher's own moves on a free
// board, parted into steps with her words.
type capture struct {
	scene string
	start board.Board
	steps []lesson.Step
	moves []board.Move
}

// Captured says how far a capture has come.
type Captured struct {
	On    bool `json:"on"`
	Steps int  `json:"steps"`
	Moves int  `json:"moves"`
}

func (s *session) captured() Captured {
	if s.capture == nil {
		return Captured{}
	}
	return Captured{true, len(s.capture.steps), len(s.capture.moves)}
}

// beginCapture makes every further move on the free board a move of a new
// example.
func beginCapture(s *session, _ struct{}) (any, error) {
	sc, ok := s.current()
	if !ok || len(sc.Steps) > 0 {
		return nil, say.Refuse("capture-free")
	}
	s.capture = &capture{scene: sc.ID, start: sc.Start}
	return s.captured(), nil
}

// keepMove adds a move to the capture, when one is on.
func (s *session) keepMove(scene string, mv board.Move) {
	if s.capture != nil && s.capture.scene == scene {
		s.capture.moves = append(s.capture.moves, mv)
	}
}

// dropMove takes the last move out again, as undo does.
func (s *session) dropMove() {
	if c := s.capture; c != nil && len(c.moves) > 0 {
		c.moves = c.moves[:len(c.moves)-1]
	}
}

type captureArgs struct {
	Say    string `json:"say"`
	Ask    string `json:"ask"`
	Answer string `json:"answer"`
	ID     string `json:"id"`
	Title  string `json:"title"`
}

// endStep closes a step of the capture with the teacher's words.
func endStep(s *session, a captureArgs) (any, error) {
	c := s.capture
	if c == nil || len(c.moves) == 0 && a.Say == "" && a.Ask == "" {
		return nil, say.Refuse("capture-empty")
	}
	c.steps = append(c.steps, lesson.Step{
		Say: say.Line{Own: a.Say}, Ask: say.Line{Own: a.Ask}, Answer: say.Line{Own: a.Answer}, Moves: c.moves, Write: []lesson.Write{},
	})
	c.moves = nil
	return s.captured(), nil
}

// endCapture makes the captured steps a worked example after the free board.
func endCapture(s *session, a captureArgs) (any, error) {
	c := s.capture
	if c == nil {
		return nil, say.Refuse("capture-empty")
	}
	if len(c.moves) > 0 {
		if _, err := endStep(s, a); err != nil {
			return nil, err
		}
	}
	if len(c.steps) == 0 {
		return nil, say.Refuse("capture-empty")
	}
	s.capture = nil
	sc, at := s.doc.Scene(c.scene)
	made := lesson.Scene{ID: a.ID, Title: a.Title, Start: c.start, Steps: c.steps, Show: sc.Show}.Stamp()
	at++
	return s.addScenes([]lesson.Scene{made}, &at)
}

func dropCapture(s *session, _ struct{}) (any, error) {
	s.capture = nil
	return s.captured(), nil
}

type likeArgs struct {
	Scene string `json:"scene"`
	ID    string `json:"id"`
	Seed  uint64 `json:"seed"`
}

// anotherLike adds a parallel problem after a worked example.
func anotherLike(s *session, a likeArgs) (any, error) {
	sc, i := s.doc.Scene(a.Scene)
	if i < 0 || sc.Made == nil {
		return nil, say.Refuse("no-method-here")
	}
	made := sc.Made
	next, err := method.Parallel(method.Request{Method: made.Method, Args: made.Args, Model: made.Model, Options: made.Options}, a.Seed)
	if err != nil {
		return nil, err
	}
	at := i + 1
	return addExample(s, exampleArgs{Request: next, ID: a.ID, At: &at})
}

type reshapeArgs struct {
	Scene string `json:"scene"`
	Step  int    `json:"step"`
	How   string `json:"how"`
}

// reshape splits a step, joins it to the next, or moves it earlier or later,
// where the moves allow it.
func reshape(s *session, a reshapeArgs) (any, error) {
	sc, i := s.doc.Scene(a.Scene)
	if i < 0 || a.Step < 0 || a.Step >= len(sc.Steps) {
		return nil, fmt.Errorf("step: there is no step %d in scene %q", a.Step, a.Scene)
	}
	sc.Steps = slices.Clone(sc.Steps)
	here := sc.Steps[a.Step]
	switch a.How {
	case "split":
		if len(here.Moves) < 2 {
			return nil, say.Refuse("split-moves")
		}
		half := len(here.Moves) / 2
		second := lesson.Step{Say: here.Say, Moves: here.Moves[half:], Write: here.Write}
		here.Moves, here.Write = here.Moves[:half:half], []lesson.Write{}
		sc.Steps[a.Step] = here
		sc.Steps = slices.Insert(sc.Steps, a.Step+1, second)
	case "join":
		if a.Step+1 >= len(sc.Steps) {
			return nil, say.Refuse("no-next-step")
		}
		next := sc.Steps[a.Step+1]
		here.Moves, here.Write = slices.Concat(here.Moves, next.Moves), slices.Concat(here.Write, next.Write)
		if here.Ask.IsZero() {
			here.Ask, here.Answer = next.Ask, next.Answer
		}
		sc.Steps[a.Step] = here
		sc.Steps = slices.Delete(sc.Steps, a.Step+1, a.Step+2)
	case "earlier", "later":
		to := a.Step - 1
		if a.How == "later" {
			to = a.Step + 1
		}
		if to < 0 || to >= len(sc.Steps) {
			return nil, say.Refuse("no-next-step")
		}
		sc.Steps[a.Step], sc.Steps[to] = sc.Steps[to], sc.Steps[a.Step]
	default:
		return nil, fmt.Errorf("how: %q is not split, join, earlier or later", a.How)
	}
	b := sc.Start
	for n, step := range sc.Steps {
		next, err := board.ApplyAll(b, step.Moves)
		if err != nil {
			return nil, say.Refuse("step-order", say.Int("n", say.Given, n+1), say.Text("why", say.Given, err.Error()))
		}
		b = next
	}
	sc = sc.Stamp()
	return s.edit(lesson.Edit{Kind: "putScene", Put: &sc})
}
