package door

import (
	"fmt"
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/say"
)

// session is one open document: its history, where the class is in it, and the
// scratch copy that a touch made.
type session struct {
	door   *Door
	handle int
	rev    int

	doc          lesson.Lesson
	past, future []change

	scene   string
	step    int
	asked   bool
	present bool
	scratch *scratch
	// drawn is the last layout that the host has, for change lists.
	drawn []board.Layout
	// overlayMoved says that the last move took ink and notes along.
	overlayMoved bool
	capture      *capture
}

// change is one entry of the history: the document on its other side, and the
// scenes in which the two differ.
type change struct {
	doc     lesson.Lesson
	touched []string
}

// scratch is a throw-away copy of a board in the middle of a scene.
type scratch struct {
	board        board.Board
	moves        []board.Move
	past, future []scratchState
}

type scratchState struct {
	board board.Board
	moves []board.Move
}

// current is the scene that is shown; an empty lesson has none.
func (s *session) current() (lesson.Scene, bool) {
	sc, i := s.doc.Scene(s.scene)
	return sc, i >= 0
}

// board is what the class sees now.
func (s *session) board() board.Board {
	if s.scratch != nil {
		return s.scratch.board
	}
	sc, _ := s.current()
	b, _ := sc.At(s.step)
	return b
}

type showArgs struct {
	Scene   string `json:"scene"`
	Step    int    `json:"step"`
	Asked   bool   `json:"asked"`
	Present bool   `json:"present"`
}

// show goes to a step of a scene: its board after that many steps, and with
// asked the question of the step to come. The scratch copy is put away.
func show(s *session, a showArgs) (any, error) {
	sc, i := s.doc.Scene(a.Scene)
	if i < 0 {
		return nil, fmt.Errorf("scene: there is no scene %q in this lesson", a.Scene)
	}
	if a.Step < 0 || a.Step > len(sc.Steps) {
		return nil, fmt.Errorf("step: %d is not from 0 to %d", a.Step, len(sc.Steps))
	}
	forward := a.Scene == s.scene && a.Step == s.step+1 && s.scratch == nil
	s.scene, s.step, s.asked, s.present, s.scratch = a.Scene, a.Step, a.Asked, a.Present, nil
	f := s.frame()
	if forward {
		f.Beats, f.Became = s.beats(sc)
	}
	return f, nil
}

// beats are the boards between the moves of the step just made, for motion.
func (s *session) beats(sc lesson.Scene) ([]BoardView, []board.Became) {
	b, _ := sc.At(s.step - 1)
	var views []BoardView
	var became []board.Became
	moves := sc.Steps[s.step-1].Moves
	for i, mv := range moves {
		next, effect, err := board.Apply(b, mv)
		if err != nil {
			break
		}
		became = append(became, effect.Became...)
		b = next
		if i < len(moves)-1 {
			views = append(views, s.view(b, layouts(b), sc))
		}
	}
	return views, became
}

type applyArgs struct {
	Move board.Move `json:"move"`
}

// apply makes a move on what the class sees. On a free board it is kept and
// saved; in the middle of a scene, or while presenting, it makes a scratch copy.
func apply(s *session, a applyArgs) (any, error) {
	sc, ok := s.current()
	if !ok {
		return nil, fmt.Errorf("scene: this lesson has no board yet")
	}
	before := s.board()
	next, effect, err := board.Apply(before, a.Move)
	if err != nil {
		return nil, err
	}
	var edits []lesson.Edit
	if s.present || len(sc.Steps) > 0 || s.doc.Newer != nil {
		saved, err := board.Saved(before, a.Move)
		if err != nil {
			return nil, err
		}
		s.scratchTo(before, next, saved)
	} else if edits, err = s.playTo(sc, before, next, a.Move); err != nil {
		return nil, err
	}
	s.rev++
	s.overlayMoved = board.Renumbered(a.Move, len(before.Models)) != nil
	return rawJSON(s.delta(next, effect, edits)), nil
}

func (s *session) scratchTo(before, next board.Board, mv board.Move) {
	if s.scratch == nil {
		s.scratch = &scratch{board: before}
	}
	sc := s.scratch
	sc.past = append(sc.past, scratchState{sc.board, sc.moves})
	sc.future = nil
	sc.board, sc.moves = next, append(slices.Clone(sc.moves), mv)
}

func (s *session) playTo(sc lesson.Scene, before, next board.Board, mv board.Move) ([]lesson.Edit, error) {
	saved, err := board.Saved(before, mv)
	if err != nil {
		return nil, err
	}
	doc := s.doc
	doc.Scenes = slices.Clone(doc.Scenes)
	_, i := doc.Scene(sc.ID)
	doc.Scenes[i] = doc.Scenes[i].Played(next, []board.Move{saved})
	s.keepMove(sc.ID, saved)
	s.commit(doc, []string{sc.ID})
	return []lesson.Edit{{Kind: "play", Scene: sc.ID, Moves: []board.Move{saved}}}, nil
}

func (s *session) commit(doc lesson.Lesson, touched []string) {
	s.past = append(s.past, change{s.doc, touched})
	s.future = nil
	s.doc = doc
}

// edit changes the document, as one undo.
func (s *session) edit(e lesson.Edit) (any, error) {
	doc, err := lesson.Apply(s.doc, e)
	if err != nil {
		return nil, err
	}
	touched := []string{e.Scene}
	if e.Put != nil {
		touched = append(touched, e.Put.ID)
	}
	s.commit(doc, touched)
	return s.turned([]lesson.Edit{e}), nil
}

// Turned is what comes back when the document changed otherwise than by a move
// on the board: everything that a host shows.
type Turned struct {
	Outline Outline       `json:"outline"`
	Frame   Frame         `json:"frame"`
	Edits   []lesson.Edit `json:"edits"`
}

func (s *session) turned(edits []lesson.Edit) Turned {
	s.rev++
	s.settle()
	if edits == nil {
		edits = []lesson.Edit{}
	}
	return Turned{s.outline(), s.frame(), edits}
}

// settle keeps the place in the lesson valid after an edit.
func (s *session) settle() {
	sc, ok := s.current()
	if !ok {
		s.scene, s.step, s.asked, s.scratch = "", 0, false, nil
		if len(s.doc.Scenes) > 0 {
			s.scene = s.doc.Scenes[0].ID
		}
		return
	}
	s.step = min(s.step, len(sc.Steps))
}

func (s *session) undo() (any, error) {
	if s.scratch != nil {
		s.scratch.travel(&s.scratch.past, &s.scratch.future)
		if len(s.scratch.moves) == 0 && len(s.scratch.future) == 0 {
			s.scratch = nil
		}
		return s.turned(nil), nil
	}
	if len(s.past) > 0 {
		s.dropMove()
	}
	return s.travel(&s.past, &s.future)
}

func (s *session) redo() (any, error) {
	if s.scratch != nil {
		s.scratch.travel(&s.scratch.future, &s.scratch.past)
		return s.turned(nil), nil
	}
	return s.travel(&s.future, &s.past)
}

// travel goes one entry along the scratch copy's own history.
func (sc *scratch) travel(from, to *[]scratchState) {
	n := len(*from)
	if n == 0 {
		return
	}
	entry := (*from)[n-1]
	*from = (*from)[:n-1]
	*to = append(*to, scratchState{sc.board, sc.moves})
	sc.board, sc.moves = entry.board.After(sc.board), entry.moves
}

// travel goes one entry along the history and tells the difference as edits.
func (s *session) travel(from, to *[]change) (any, error) {
	n := len(*from)
	if n == 0 {
		return s.turned(nil), nil
	}
	entry := (*from)[n-1]
	*from = (*from)[:n-1]
	*to = append(*to, change{s.doc, entry.touched})
	here := s.doc
	doc := entry.doc
	doc.Scenes = slices.Clone(doc.Scenes)
	for i := range doc.Scenes {
		if other, j := here.Scene(doc.Scenes[i].ID); j >= 0 {
			doc.Scenes[i].Start = doc.Scenes[i].Start.After(other.Start)
		}
	}
	s.doc = doc
	edits := lesson.Difference(here, doc, func(a, _ *lesson.Scene) bool { return !slices.Contains(entry.touched, a.ID) })
	return s.turned(edits), nil
}

func addExample(s *session, a exampleArgs) (any, error) {
	if a.Options == nil {
		a.Options = map[string]string{}
	}
	// The class's words are the lesson's, unless the request says otherwise.
	for name, value := range map[string]string{"regroup": s.doc.Words.Regroup, "ones": s.doc.Words.Ones} {
		if _, set := a.Options[name]; !set && value != "" {
			a.Options[name] = value
		}
	}
	e, err := a.make()
	if err != nil {
		return nil, err
	}
	var scenes []lesson.Scene
	for i, one := range append([]method.Example{e}, e.More...) {
		if one.Scene.ID = a.ID; i > 0 {
			one.Scene.ID = fmt.Sprintf("%s-%d", a.ID, i+1)
		}
		if one.Scene.Show == nil {
			one.Scene.Show = []string{"unitForm"}
		}
		scenes = append(scenes, one.Scene)
	}
	return s.addScenes(scenes, a.At)
}

type boardArgs struct {
	ID    string   `json:"id"`
	Title string   `json:"title"`
	Kinds []string `json:"kinds"`
	At    *int     `json:"at"`
}

func addBoard(s *session, a boardArgs) (any, error) {
	b, err := board.New(a.Kinds...)
	if err != nil {
		return nil, err
	}
	return s.addScenes([]lesson.Scene{{ID: a.ID, Title: a.Title, Start: b, Show: []string{"numeral", "unitForm"}}}, a.At)
}

// addScenes puts scenes in, one after another and as one undo, and goes to the
// first of them.
func (s *session) addScenes(scenes []lesson.Scene, at *int) (any, error) {
	doc := s.doc
	var edits []lesson.Edit
	var touched []string
	for i := range scenes {
		if _, there := doc.Scene(scenes[i].ID); there >= 0 {
			return nil, fmt.Errorf("id: there is a scene %q already", scenes[i].ID)
		}
		e := lesson.Edit{Kind: "putScene", Put: &scenes[i]}
		if at != nil {
			to := *at + i
			e.At = &to
		}
		var err error
		if doc, err = lesson.Apply(doc, e); err != nil {
			return nil, err
		}
		edits, touched = append(edits, e), append(touched, scenes[i].ID)
	}
	s.commit(doc, touched)
	s.scene, s.step, s.asked, s.scratch = scenes[0].ID, 0, false, nil
	return s.turned(edits), nil
}

type sceneArgs struct {
	Scene string    `json:"scene"`
	Title *string   `json:"title"`
	Show  *[]string `json:"show"`
	Marks *string   `json:"marks"`
}

// setScene changes what a scene is called, which read-outs it shows, and where
// its written method puts the regroup marks.
func setScene(s *session, a sceneArgs) (any, error) {
	sc, i := s.doc.Scene(a.Scene)
	if i < 0 {
		return nil, fmt.Errorf("scene: there is no scene %q in this lesson", a.Scene)
	}
	if a.Title != nil {
		sc.Title = *a.Title
	}
	if a.Show != nil {
		sc.Show = *a.Show
	}
	if a.Marks != nil {
		sc.Marks = *a.Marks
	}
	return s.edit(lesson.Edit{Kind: "putScene", Put: &sc})
}

type stepArgs struct {
	Scene  string  `json:"scene"`
	Step   int     `json:"step"`
	Say    *string `json:"say"`
	Ask    *string `json:"ask"`
	Answer *string `json:"answer"`
	Look   *string `json:"look"`
	Pause  *bool   `json:"pause"`
	Remove bool    `json:"remove"`
}

// editStep changes the words of a step, or takes it out. The steps after it
// stay; the first that no longer fits is marked by the outline.
func editStep(s *session, a stepArgs) (any, error) {
	sc, i := s.doc.Scene(a.Scene)
	if i < 0 || a.Step < 0 || a.Step >= len(sc.Steps) {
		return nil, fmt.Errorf("step: there is no step %d in scene %q", a.Step, a.Scene)
	}
	sc.Steps = slices.Clone(sc.Steps)
	if a.Remove {
		sc.Steps = slices.Delete(sc.Steps, a.Step, a.Step+1)
		return s.edit(lesson.Edit{Kind: "putScene", Put: &sc})
	}
	step := &sc.Steps[a.Step]
	if a.Pause != nil {
		step.Pause = *a.Pause
	}
	for own, line := range map[*string]*say.Line{a.Say: &step.Say, a.Ask: &step.Ask, a.Answer: &step.Answer, a.Look: &step.Look} {
		if own != nil && *own != line.Text(s.doc.Words) {
			*line = say.Line{Own: *own}
		}
	}
	return s.edit(lesson.Edit{Kind: "putScene", Put: &sc})
}

type keepArgs struct {
	// Into puts the moves at the end of the present step, rather than into a step
	// of their own after it.
	Into bool `json:"into"`
}

// keepScratch turns the scratch copy into a step after the present one, or adds
// its moves to the present one; on a free board it becomes the board.
func keepScratch(s *session, a keepArgs) (any, error) {
	sc, ok := s.current()
	if !ok || s.scratch == nil || len(s.scratch.moves) == 0 {
		return nil, fmt.Errorf("there is nothing to keep: the board was not touched")
	}
	moves := s.scratch.moves
	s.scratch = nil
	if len(sc.Steps) == 0 {
		return s.edit(lesson.Edit{Kind: "play", Scene: sc.ID, Moves: moves})
	}
	sc.Steps = slices.Clone(sc.Steps)
	if a.Into && s.step > 0 {
		here := &sc.Steps[s.step-1]
		here.Moves = slices.Concat(here.Moves, moves)
	} else {
		sc.Steps = slices.Insert(sc.Steps, s.step, lesson.Step{Moves: moves, Write: []lesson.Write{}})
		s.step++
	}
	at, _ := sc.At(s.step)
	sc.Steps[s.step-1].Total = board.Total(at.Models[0]).String()
	sc.Steps[s.step-1].UnitForm = at.Models[0].InPlay().String()
	return s.edit(lesson.Edit{Kind: "putScene", Put: &sc})
}
