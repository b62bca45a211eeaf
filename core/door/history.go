package door

import (
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

// A session has one history. Undo and redo go along it, and what a capture holds is
// read from the same entries, so that the two cannot disagree.

// moment is all that undo brings back: the document, how far a capture had come, and the
// children's ways that stood there.
type moment struct {
	doc     lesson.Lesson
	capture *capture
	ways    []takenWay
}

// capture is a worked example in the making: the teacher's own moves on a free
// board, parted into steps with her words. It is never altered in place.
type capture struct {
	scene string
	start board.Board
	steps []lesson.Step
	moves []board.Move
}

// played is the capture with one more move, when it is of that scene.
func (c *capture) played(scene string, moves ...board.Move) *capture {
	if c == nil || c.scene != scene {
		return c
	}
	next := *c
	next.moves = append(slices.Clip(c.moves), moves...)
	return &next
}

// scratch is a throw-away copy of a board in the middle of a scene, with a history
// of its own. It is never altered in place.
type scratch struct {
	board        board.Board
	moves        []board.Move
	past, future []scratchMoment
}

type scratchMoment struct {
	board board.Board
	moves []board.Move
}

// commit makes the document another one, as one undo.
func (s *session) commit(doc lesson.Lesson, c *capture) {
	s.past = append(s.past, s.now())
	s.future = nil
	s.doc, s.capture = doc, c
}

func (s *session) now() moment { return moment{s.doc, s.capture, s.ways} }

// edit changes the document, as one undo. What is told to the server is what
// differs.
func (s *session) edit(e lesson.Edit) (Update, error) {
	doc, err := lesson.Apply(s.doc, e)
	if err != nil {
		return Update{}, err
	}
	return s.become(doc, s.capture), nil
}

// edits makes several edits as one act: all of them, or none.
func (s *session) edits(list []lesson.Edit) (Update, error) {
	doc := s.doc
	for _, e := range list {
		var err error
		if doc, err = lesson.Apply(doc, e); err != nil {
			return Update{}, err
		}
	}
	return s.become(doc, s.capture), nil
}

// become commits a document and tells how it differs from the one before.
func (s *session) become(doc lesson.Lesson, c *capture) Update {
	was := s.doc
	s.commit(doc, c)
	s.stayNear(was)
	return s.update(lesson.Difference(was, doc))
}

func (s *session) undo() (Update, error) {
	if s.scratch != nil {
		s.scratch = s.scratch.back()
		return s.update(nil), nil
	}
	return s.travel(&s.past, &s.future), nil
}

func (s *session) redo() (Update, error) {
	if s.scratch != nil {
		s.scratch = s.scratch.forth()
		return s.update(nil), nil
	}
	return s.travel(&s.future, &s.past), nil
}

// travel goes one entry along the history and tells the difference as edits.
func (s *session) travel(from, to *[]moment) Update {
	n := len(*from)
	if n == 0 {
		return s.update(nil)
	}
	there, here := (*from)[n-1], s.now()
	*from = (*from)[:n-1]
	*to = append(*to, here)
	doc := there.doc
	doc.Scenes = slices.Clone(doc.Scenes)
	for i := range doc.Scenes {
		if other, j := here.doc.Scene(doc.Scenes[i].ID); j >= 0 {
			doc.Scenes[i].Start = doc.Scenes[i].Start.After(other.Start)
		}
	}
	s.doc, s.capture, s.ways = doc, there.capture, there.ways
	s.stayNear(here.doc)
	return s.update(lesson.Difference(here.doc, doc))
}

// stayNear goes to the scene before the one that is shown, where that one is gone from the lesson.
func (s *session) stayNear(was lesson.Lesson) {
	if _, at := s.doc.Scene(s.scene); at >= 0 {
		return
	}
	_, at := was.Scene(s.scene)
	for at--; at >= 0; at-- {
		if _, i := s.doc.Scene(was.Scenes[at].ID); i >= 0 {
			s.standAt(was.Scenes[at].ID)
			return
		}
	}
}

// played is the scratch copy after a move.
func (sc *scratch) played(next board.Board, moves []board.Move) *scratch {
	return &scratch{
		board: next, moves: append(slices.Clip(sc.moves), moves...),
		past: append(slices.Clip(sc.past), scratchMoment{sc.board, sc.moves}),
	}
}

// back and forth go along the scratch copy's own history; a copy on which nothing
// was done, or will be again, is none.
func (sc *scratch) back() *scratch {
	n := len(sc.past)
	if n == 0 {
		return sc
	}
	was := sc.past[n-1]
	next := &scratch{
		board: was.board.After(sc.board), moves: was.moves, past: sc.past[: n-1 : n-1],
		future: append(slices.Clip(sc.future), scratchMoment{sc.board, sc.moves}),
	}
	return next
}

func (sc *scratch) forth() *scratch {
	n := len(sc.future)
	if n == 0 {
		return sc
	}
	then := sc.future[n-1]
	return &scratch{
		board: then.board.After(sc.board), moves: then.moves, future: sc.future[: n-1 : n-1],
		past: append(slices.Clip(sc.past), scratchMoment{sc.board, sc.moves}),
	}
}

// Update is what comes back when the document changed otherwise than by a move on
// the board: everything that a host shows, and the edits to save.
type Update struct {
	Outline Outline       `json:"outline"`
	Frame   Frame         `json:"frame"`
	Edits   []lesson.Edit `json:"edits"`
}

func (s *session) update(edits []lesson.Edit) Update {
	s.rev++
	s.settle()
	return Update{s.outline(), s.frame(), orNone(edits)}
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
func beginCapture(s *session, _ None) (Captured, error) {
	sc, ok := s.current()
	if !ok || len(sc.Steps) > 0 {
		return Captured{}, say.Refuse("capture-free")
	}
	s.capture = &capture{scene: sc.ID, start: sc.Start}
	return s.captured(), nil
}

// CaptureArgs are the teacher's words for a step of a capture.
type CaptureArgs struct {
	Say string `json:"say"`
	Ask string `json:"ask"`
	// Asks is the kind of the question; decide when left out.
	Asks   say.Kind `json:"asks,omitempty" jsonschema:"enum=predict,enum=decide,enum=look,enum=say,enum=explain,enum=check"`
	Answer string   `json:"answer"`
}

func (a CaptureArgs) step(moves []board.Move) lesson.Step {
	if a.Ask == "" {
		a.Asks = ""
	}
	return lesson.Step{Say: say.Line{Own: a.Say}, Ask: say.Line{Own: a.Ask}, Asks: a.Asks, Answer: say.Line{Own: a.Answer},
		Moves: moves}
}

// endStep closes a step of the capture with the teacher's words. It can be undone,
// like every act: then the step is open again.
func endStep(s *session, a CaptureArgs) (Captured, error) {
	c := s.capture
	if c == nil || len(c.moves) == 0 && a.Say == "" && a.Ask == "" {
		return Captured{}, say.Refuse("capture-empty")
	}
	next := *c
	next.steps, next.moves = append(slices.Clip(c.steps), a.step(c.moves)), nil
	s.commit(s.doc, &next)
	return s.captured(), nil
}

// EndCaptureArgs name the example, with the words of its last step.
type EndCaptureArgs struct {
	CaptureArgs
	ID    string `json:"id"`
	Title string `json:"title"`
}

// endCapture makes the captured steps a worked example after the free board.
func endCapture(s *session, a EndCaptureArgs) (Update, error) {
	c := s.capture
	if c == nil {
		return Update{}, say.Refuse("capture-empty")
	}
	steps := c.steps
	if len(c.moves) > 0 {
		steps = append(slices.Clip(steps), a.step(c.moves))
	}
	if len(steps) == 0 {
		return Update{}, say.Refuse("capture-empty")
	}
	sc, at := s.doc.Scene(c.scene)
	made := lesson.Scene{ID: a.ID, Title: a.Title, Start: c.start, Steps: steps, Show: sc.Show}.Stamp()
	at++
	return s.addScenes([]lesson.Scene{made}, &at, nil)
}

func dropCapture(s *session, _ None) (Captured, error) {
	s.commit(s.doc, nil)
	return s.captured(), nil
}
