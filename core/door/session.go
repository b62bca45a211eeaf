package door

import (
	"encoding/json"
	"errors"
	"fmt"
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/form"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// session is one open document: its history, where the class is in it, and the
// scratch copy that a touch made. Nothing that it holds is altered in place: its
// value before a call is enough to go back to.
type session struct {
	door   *Door
	handle int
	rev    int

	doc          lesson.Lesson
	past, future []moment

	scene   string
	step    int
	phase   lesson.Phase
	present bool
	// showing says that the document is one presenting of a lesson, and is played on as such.
	showing bool
	// revealed is what was shown, of what is held back on the free board.
	revealed []string
	scratch  *scratch
	capture  *capture
	// ways are the children's ways that were taken in, in their order.
	ways []takenWay
	// drawn is the last layout that the host has, for change lists.
	drawn []board.Layout
	// way is how examples are laid, and stage the room that the one shown has.
	way   board.Way
	stage stage
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
	return sc.BoardAt(s.step, s.phase)
}

// standAt goes to the beginning of a scene.
func (s *session) standAt(scene string) {
	s.scene, s.step, s.phase, s.scratch = scene, 0, lesson.Rest, nil
}

// settle keeps the place in the lesson valid after an edit.
func (s *session) settle() {
	sc, ok := s.current()
	if !ok {
		s.standAt("")
		if len(s.doc.Scenes) > 0 {
			s.scene = s.doc.Scenes[0].ID
		}
		return
	}
	s.step = min(s.step, len(sc.Steps))
	if s.step == len(sc.Steps) || !slices.Contains(sc.Steps[s.step].Phases(), s.phase) {
		s.phase = lesson.Rest
	}
}

// OpenArgs hold a lesson in its file form.
type OpenArgs struct {
	Lesson json.RawMessage `json:"lesson"`
}

// Opened is the handle of a lesson, with its outline.
type Opened struct {
	Handle  int     `json:"handle"`
	Outline Outline `json:"outline"`
}

func open(d *Door, a OpenArgs) (Opened, error) {
	l, err := lesson.Decode(a.Lesson)
	if err != nil {
		return Opened{}, err
	}
	d.last++
	s := &session{doc: l, handle: d.last, door: d}
	if len(l.Scenes) > 0 {
		s.scene = l.Scenes[0].ID
	}
	d.sessions[d.last] = s
	return Opened{d.last, s.outline()}, nil
}

func closeSession(s *session, _ None) (None, error) {
	delete(s.door.sessions, s.handle)
	return None{}, nil
}

// ShowArgs name a position, and whether a class looks on.
type ShowArgs struct {
	lesson.Position
	Present bool `json:"present,omitempty"`
}

// show goes to a position. The scratch copy is put away.
func show(s *session, a ShowArgs) (Frame, error) {
	sc, i := s.doc.Scene(a.Scene)
	if i < 0 {
		return Frame{}, fmt.Errorf("scene: there is no scene %s in this lesson", form.Quote(a.Scene))
	}
	if a.Step < 0 || a.Step > len(sc.Steps) {
		return Frame{}, fmt.Errorf("step: %d is not from 0 to %d", a.Step, len(sc.Steps))
	}
	if a.Phase != lesson.Rest && (a.Step == len(sc.Steps) || !slices.Contains(sc.Steps[a.Step].Phases(), a.Phase)) {
		return Frame{}, fmt.Errorf("phase: step %d has no phase %s", a.Step+1, form.Quote(string(a.Phase)))
	}
	s.present = a.Present
	return s.goTo(a.Position), nil
}

func (s *session) position() lesson.Position {
	return lesson.Position{Scene: s.scene, Step: s.step, Phase: s.phase}
}

// goTo shows a position. Where that makes the moves of the step that was next, the
// boards between them come along, for motion.
func (s *session) goTo(p lesson.Position) Frame {
	was, fresh := s.position(), s.scratch == nil
	if p.Scene != was.Scene {
		s.revealed = nil
	}
	s.scene, s.step, s.phase, s.scratch = p.Scene, p.Step, p.Phase, nil
	f := s.frame()
	sc, _ := s.current()
	if p.Scene != was.Scene || !fresh || was.Step >= len(sc.Steps) || sc.Steps[was.Step].Made(was.Phase) {
		return f
	}
	if p.Step == was.Step+1 && p.Phase == lesson.Rest || p.Step == was.Step && sc.Steps[p.Step].Made(p.Phase) {
		f.Beats, f.Became, f.Words = s.beats(sc, was.Step)
	}
	return f
}

// forward and backward go one press on, or exactly one back.
func forward(s *session, _ None) (Frame, error)  { return s.goTo(s.doc.Next(s.position())), nil }
func backward(s *session, _ None) (Frame, error) { return s.goTo(s.doc.Before(s.position())), nil }

// beats are the boards between the moves of a step, for motion, and what they do in words.
// Nothing is said of them while a question about them is open.
func (s *session) beats(sc lesson.Scene, step int) ([]BoardView, []board.Became, []string) {
	b, _ := sc.At(step)
	var views []BoardView
	var became []board.Became
	var said []say.Message
	moves := sc.Steps[step].Moves
	for i, mv := range moves {
		next, effect, err := board.Apply(b, mv)
		if err != nil {
			break
		}
		became = append(became, shownBecame(effect.Became, b, next)...)
		if !s.phase.Open() {
			if b.IsCovered(mv.Model) && next.IsCovered(mv.Model) {
				effect.Said = say.New("did.unseen") // what an example hides is not told as it is laid
			}
			said = append(said, effect.Said)
		}
		b = next
		if i < len(moves)-1 {
			views = append(views, s.view(b, s.shownLayouts(b), sc))
		}
	}
	return views, became, s.together(said)
}

// together are what moves do in words, move by move: what is done several times over is told with
// the last of them, as one.
func (s *session) together(said []say.Message) []string {
	var words []string
	times := 1
	for i, m := range said {
		text := m.Text(s.doc.Words)
		if i+1 < len(said) && said[i+1].Text(s.doc.Words) == text {
			words = append(words, "")
			times++
			continue
		}
		words = append(words, m.Times(times).Text(s.doc.Words))
		times = 1
	}
	return words
}

// ApplyArgs hold a move, and what belongs to it: all of them are one act, or none is made. Their
// pieces may be named by the ids of the open board.
type ApplyArgs struct {
	Move board.Move   `json:"move"`
	Then []board.Move `json:"then,omitempty"`
}

// apply makes moves on what the class sees. On a free board they are kept and saved, in the
// lesson or in its showing; in the middle of a scene they make a scratch copy.
func apply(s *session, a ApplyArgs) (Delta, error) {
	sc, ok := s.current()
	if !ok {
		return Delta{}, fmt.Errorf("scene: this lesson has no board yet")
	}
	before := s.board()
	next, effect, saved, err := s.playAll(before, append([]board.Move{a.Move}, a.Then...))
	if err != nil {
		return Delta{}, err
	}
	var edits []lesson.Edit
	moved := slices.ContainsFunc(saved, func(mv board.Move) bool {
		return board.Renumbered(mv, len(before.Models)) != nil
	})
	s.hideAgain(before, saved[0])
	if s.present && !s.showing || len(sc.Steps) > 0 || s.doc.Newer != nil {
		was := s.scratch
		if was == nil {
			was = &scratch{board: before}
		}
		s.scratch, moved = was.played(next, saved), false
		s.widen(sc, next)
	} else {
		doc, err := lesson.Play(s.doc, sc.ID, next, saved...)
		if err != nil {
			return Delta{}, err
		}
		s.commit(doc, s.capture.played(sc.ID, saved...))
		edits = []lesson.Edit{{Kind: "play", Scene: sc.ID, Moves: saved}}
	}
	s.rev++
	return s.delta(before, next, effect, edits, moved), nil
}

// playAll is a board after moves, with what the first of them did and said, and the moves as they are kept.
func (s *session) playAll(b board.Board, moves []board.Move) (board.Board, board.Effect, []board.Move, error) {
	var first board.Effect
	saved := make([]board.Move, len(moves))
	for i, mv := range moves {
		mv = mv.Read(b).Typed(s.doc.Words.Plain)
		next, effect, err := board.Apply(b, mv)
		if err != nil {
			return b, first, nil, err
		}
		if saved[i], err = board.Saved(b, mv); err != nil {
			return b, first, nil, err
		}
		if i == 0 {
			first = effect
		}
		b = next
	}
	return b, first, saved, nil
}

// ExampleArgs are a problem as typed, or as a method with arguments.
type ExampleArgs struct {
	method.Request
	Typed string `json:"typed,omitempty"`
}

// request is what is asked for, in the class's words, which are the lesson's unless it says
// otherwise.
func (a ExampleArgs) request(w say.Vocabulary) (method.Request, error) {
	r := a.Request
	if r.Options == nil {
		r.Options = map[string]string{}
	}
	method.InWords(r.Options, w)
	if a.Typed != "" {
		typed, err := method.Typed(a.Method, w.Plain(a.Typed))
		if err != nil {
			return r, err
		}
		r.Method, r.Args = typed.Method, typed.Args
	}
	return r, nil
}

// make is the example.
func (a ExampleArgs) make(w say.Vocabulary) (method.Example, error) {
	r, err := a.request(w)
	if err != nil {
		return method.Example{}, err
	}
	e, err := method.Make(r)
	return e.In(w), err
}

func preview(s *session, a ExampleArgs) (method.Plain, error) {
	e, err := a.make(s.doc.Words)
	if err != nil {
		return method.Plain{}, err
	}
	return e.Plain(), nil
}

// AddExampleArgs name the scene that the example becomes, and where it comes.
type AddExampleArgs struct {
	ExampleArgs
	ID string `json:"id"`
	At *int   `json:"at,omitempty"`
}

func addExample(s *session, a AddExampleArgs) (Update, error) {
	e, err := a.make(s.doc.Words)
	if err != nil {
		return Update{}, err
	}
	var scenes []lesson.Scene
	for i, one := range append([]method.Example{e}, e.More...) {
		id := a.ID
		if i > 0 {
			id = fmt.Sprintf("%s-%d", a.ID, i+1)
		}
		scenes = append(scenes, one.SceneAs(id))
	}
	return s.addScenes(scenes, a.At, s.capture)
}

// made is a scene that was made from a problem.
func (s *session) made(id string) (lesson.Scene, int, error) {
	sc, i := s.doc.Scene(id)
	if i < 0 || sc.Made == nil {
		return sc, i, say.Refuse("no-method-here")
	}
	return sc, i, nil
}

// requestOf is what a worked example was made from.
func requestOf(m *lesson.Made) method.Request {
	return method.Request{Method: m.Method, Args: m.Args, Model: m.Model, Options: m.Options}
}

// LikeArgs name a worked example, and the scene that the parallel one becomes.
type LikeArgs struct {
	Scene string `json:"scene"`
	ID    string `json:"id"`
	Seed  uint64 `json:"seed"`
}

// anotherLike adds a parallel problem after a worked example.
func anotherLike(s *session, a LikeArgs) (Update, error) {
	sc, i, err := s.made(a.Scene)
	if err != nil {
		return Update{}, err
	}
	made := sc.Made
	next, err := method.Parallel(requestOf(made), a.Seed)
	if err != nil {
		return Update{}, err
	}
	at := i + 1
	return addExample(s, AddExampleArgs{ExampleArgs: ExampleArgs{Request: next}, ID: a.ID, At: &at})
}

// OtherNumbersArgs name a worked example, with other numbers as typed, or a seed to choose
// them by.
type OtherNumbersArgs struct {
	Scene string `json:"scene"`
	Typed string `json:"typed,omitempty"`
	Seed  uint64 `json:"seed,omitempty"`
}

// otherNumbers makes a worked example anew with other numbers: of the same method, model and
// kind, in the same place. The class is at its beginning.
func otherNumbers(s *session, a OtherNumbersArgs) (Update, error) {
	sc, _, err := s.made(a.Scene)
	if err != nil {
		return Update{}, err
	}
	request := requestOf(sc.Made)
	if a.Typed == "" {
		if request, err = method.Parallel(request, a.Seed); err != nil {
			return Update{}, err
		}
	} else {
		typed, err := method.Typed(request.Method, s.doc.Words.Plain(a.Typed))
		if err != nil {
			return Update{}, err
		}
		request.Args = typed.Args
	}
	e, err := ExampleArgs{Request: request}.make(s.doc.Words)
	if err != nil {
		return Update{}, err
	}
	u, err := s.changeScene(a.Scene, func(was *lesson.Scene) error {
		one := e.SceneAs(was.ID)
		one.Show, one.Marks = was.Show, was.Marks
		one.Start = one.Start.After(was.Start)
		*was = one
		return nil
	})
	if err != nil {
		return Update{}, err
	}
	s.step, s.phase, s.scratch = 0, lesson.Rest, nil
	return s.update(u.Edits), nil
}

// SetArgs name a worked example, and the scenes that a set of so many like it becomes.
type SetArgs struct {
	LikeArgs
	Count int `json:"count"`
}

// addSet adds a set of parallel problems of rising difficulty after a worked example. What
// is harder in each is told to the teacher alone.
func addSet(s *session, a SetArgs) (Update, error) {
	sc, i, err := s.made(a.Scene)
	if err != nil {
		return Update{}, err
	}
	if a.Count < 2 || a.Count > 20 {
		return Update{}, board.BadCount(a.Count, 2, 20)
	}
	made := sc.Made
	rungs, err := method.Ladder(requestOf(made),
		a.Count, a.Seed)
	if err != nil {
		return Update{}, err
	}
	var scenes []lesson.Scene
	for k, rung := range rungs {
		rung.InSet = method.Nth{N: k + 1, Of: len(rungs)}
		e, err := method.Make(rung.Request)
		if err != nil {
			return Update{}, err
		}
		one := e.SceneAs(fmt.Sprintf("%s-%d", a.ID, k+1))
		if len(one.Steps) > 0 && !rung.Harder.IsZero() {
			one.Steps[0].Look = say.Line{Message: say.New("harder.than", say.Text("how", say.Name, rung.Harder.Text(e.Words)))}
		}
		scenes = append(scenes, one)
	}
	at := i + 1
	return s.addScenes(scenes, &at, s.capture)
}

// BoardArgs name the models of a free board.
type BoardArgs struct {
	ID    string   `json:"id"`
	Title string   `json:"title"`
	Kinds []string `json:"kinds"`
	At    *int     `json:"at,omitempty"`
}

func addBoard(s *session, a BoardArgs) (Update, error) {
	b, err := board.New(a.Kinds...)
	if err != nil {
		return Update{}, err
	}
	return s.addScenes([]lesson.Scene{{ID: a.ID, Title: a.Title, Start: b, Show: []string{"numeral", "unitForm"}}}, a.At,
		s.capture)
}

// Amounts are those of a typed list.
type Amounts struct {
	Amounts []string `json:"amounts"`
}

func amounts(_ *session, a TextArgs) (Amounts, error) {
	return Amounts{orNone(place.List(a.Text))}, nil
}

// BuildEachArgs hold a list of amounts, for a model of a free board.
type BuildEachArgs struct {
	Model   int      `json:"model"`
	Amounts []string `json:"amounts"`
	// ID begins the ids of the boards that are added.
	ID string `json:"id"`
}

// maxEach is how many amounts a list has at most.
const maxEach = 30

// buildEach builds the first amount on the present board, and each other on a board of
// its own after it, all as one undo: the class goes from one to the next.
func buildEach(s *session, a BuildEachArgs) (Update, error) {
	sc, ok := s.current()
	if !ok || len(sc.Steps) > 0 || s.doc.Newer != nil {
		return Update{}, say.Refuse("capture-free")
	}
	if len(a.Amounts) < 1 || len(a.Amounts) > maxEach {
		return Update{}, board.BadCount(len(a.Amounts), 1, maxEach)
	}
	_, m, err := s.model(a.Model)
	if err != nil {
		return Update{}, err
	}
	spec, _ := board.SpecOf(m.Kind())
	doc, c := s.doc, s.capture
	_, at := doc.Scene(sc.ID)
	build := func(b board.Board, amount string) (board.Board, board.Move, error) {
		mv := spec.Acts.Build(s.doc.Words.Plain(amount))
		mv.Model = a.Model
		next, _, err := board.Apply(b, mv)
		return next, mv, err
	}
	// The room that one of the numbers lacks, such as more rows, all have from the first on.
	start, moves := sc.Start, []board.Move(nil)
	for _, amount := range a.Amounts {
		_, _, err := build(start, amount)
		if offering := (board.Offering{}); errors.As(err, &offering) {
			mv := offering.Room
			mv.Model = a.Model
			if start, _, err = board.Apply(start, mv); err == nil {
				moves = append(moves, mv)
			}
		}
		if err != nil {
			return Update{}, err
		}
	}
	for i, amount := range a.Amounts {
		next, mv, err := build(start, amount)
		if err != nil {
			return Update{}, err
		}
		if i == 0 {
			moves = append(moves, mv)
			c = c.played(sc.ID, moves...)
			if doc, err = lesson.Play(doc, sc.ID, next, moves...); err != nil {
				return Update{}, err
			}
			continue
		}
		to := at + i
		more := lesson.Scene{ID: fmt.Sprintf("%s-%d", a.ID, i), Start: next, Show: sc.Show}
		if doc, err = lesson.Apply(doc, lesson.Edit{Kind: "putScene", Put: &more, At: &to}); err != nil {
			return Update{}, err
		}
	}
	return s.become(doc, c), nil
}

// addScenes puts scenes in, one after another and as one undo, and goes to the
// first of them.
func (s *session) addScenes(scenes []lesson.Scene, at *int, c *capture) (Update, error) {
	doc := s.doc
	var edits []lesson.Edit
	for i := range scenes {
		if _, there := doc.Scene(scenes[i].ID); there >= 0 {
			return Update{}, fmt.Errorf("id: there is a scene %s already", form.Quote(scenes[i].ID))
		}
		e := lesson.Edit{Kind: "putScene", Put: &scenes[i]}
		if at != nil {
			to := *at + i
			e.At = &to
		}
		var err error
		if doc, err = lesson.Apply(doc, e); err != nil {
			return Update{}, err
		}
		edits = append(edits, e)
	}
	s.commit(doc, c)
	s.scene, s.step, s.phase, s.scratch = scenes[0].ID, 0, lesson.Rest, nil
	return s.update(edits), nil
}

// EditArgs hold an edit.
type EditArgs struct {
	Edit lesson.Edit `json:"edit"`
}

// EditsArgs hold several edits.
type EditsArgs struct {
	Edits []lesson.Edit `json:"edits"`
}

// changeScene changes one scene, as one undo.
func (s *session) changeScene(id string, change func(*lesson.Scene) error) (Update, error) {
	if s.doc.Newer != nil {
		return Update{}, say.Refuse("newer")
	}
	sc, i := s.doc.Scene(id)
	if i < 0 {
		return Update{}, fmt.Errorf("scene: there is no scene %s in this lesson", form.Quote(id))
	}
	if err := change(&sc); err != nil {
		return Update{}, err
	}
	doc, err := lesson.Apply(s.doc, lesson.Edit{Kind: "putScene", Put: &sc})
	if err != nil {
		return Update{}, err
	}
	return s.become(doc, s.capture), nil
}

// SceneArgs change what a scene says of itself; what is left out stays.
type SceneArgs struct {
	Scene string    `json:"scene"`
	Title *string   `json:"title,omitempty"`
	Show  *[]string `json:"show,omitempty"`
	Marks *string   `json:"marks,omitempty"`
	Aside *string   `json:"aside,omitempty"`
}

// setScene changes what a scene is called, which read-outs it shows, where its written
// method puts the regroup marks, and what the teacher notes for herself.
func setScene(s *session, a SceneArgs) (Update, error) {
	return s.changeScene(a.Scene, func(sc *lesson.Scene) error {
		if a.Title != nil {
			sc.Title = *a.Title
		}
		if a.Show != nil {
			if was, now := slices.Contains(sc.Show, showWritten), slices.Contains(*a.Show, showWritten); was != now &&
				len(sc.Steps) == 0 {
				var err error
				if sc.Start, err = followed(sc.Start, now); err != nil {
					return err
				}
			}
			sc.Show = *a.Show
		}
		if a.Marks != nil {
			sc.Marks = *a.Marks
		}
		if a.Aside != nil {
			sc.Aside = *a.Aside
		}
		return nil
	})
}

// showWritten shows the column method that follows the first model of a free board.
const showWritten = "written"

// followed is a board whose first model leaves the traces that the written method is read
// from, or no longer does.
func followed(b board.Board, shown bool) (board.Board, error) {
	spec, _ := board.SpecOf(b.Models[0].Kind())
	if spec.Written == nil {
		return b, say.Refuse("no-written", say.Text("model", say.Name, spec.Noun))
	}
	next, _, err := board.Apply(b, spec.Acts.Traces(shown))
	return next, err
}

// StepArgs change a step; what is left out stays.
type StepArgs struct {
	Scene  string  `json:"scene"`
	Step   int     `json:"step"`
	Say    *string `json:"say,omitempty"`
	Ask    *string `json:"ask,omitempty"`
	Answer *string `json:"answer,omitempty"`
	Look   *string `json:"look,omitempty"`
	Asks   *string `json:"asks,omitempty" jsonschema:"enum=predict,enum=decide,enum=look,enum=say,enum=explain,enum=check"`
	Pause  *bool   `json:"pause,omitempty"`
	Remove bool    `json:"remove,omitempty"`
}

// editStep changes the words of a step, or takes it out. The steps after it
// stay; the first that no longer fits is marked by the outline.
func editStep(s *session, a StepArgs) (Update, error) {
	return s.changeScene(a.Scene, func(sc *lesson.Scene) error {
		if a.Step < 0 || a.Step >= len(sc.Steps) {
			return noStep(a.Step, a.Scene)
		}
		sc.SetSteps(slices.Clone(sc.Steps))
		if a.Remove {
			sc.SetSteps(slices.Delete(sc.Steps, a.Step, a.Step+1))
			return nil
		}
		step := &sc.Steps[a.Step]
		if a.Pause != nil {
			step.Pause = *a.Pause
		}
		if a.Asks != nil {
			step.Asks = say.Kind(*a.Asks)
		}
		for own, line := range map[*string]*say.Line{a.Say: &step.Say, a.Ask: &step.Ask, a.Answer: &step.Answer,
			a.Look: &step.Look} {
			if own != nil && *own != line.Text(s.doc.Words) {
				*line = say.Line{Own: *own}
			}
		}
		if step.Ask.IsZero() {
			step.Asks = ""
		}
		return nil
	})
}

func noStep(step int, scene string) error {
	return fmt.Errorf("step: there is no step %d in scene %s", step, form.Quote(scene))
}

// Ways to reshape a step.
const (
	HowSplit   = "split"
	HowJoin    = "join"
	HowEarlier = "earlier"
	HowLater   = "later"
)

// ReshapeArgs name a step and what becomes of it.
type ReshapeArgs struct {
	Scene string `json:"scene"`
	Step  int    `json:"step"`
	How   string `json:"how" jsonschema:"enum=split,enum=join,enum=earlier,enum=later"`
}

// reshape splits a step, joins it to the next, or moves it earlier or later,
// where the moves allow it.
func reshape(s *session, a ReshapeArgs) (Update, error) {
	return s.changeScene(a.Scene, func(sc *lesson.Scene) error {
		if a.Step < 0 || a.Step >= len(sc.Steps) {
			return noStep(a.Step, a.Scene)
		}
		steps, err := reshaped(slices.Clone(sc.Steps), a.Step, a.How)
		if err != nil {
			return err
		}
		sc.SetSteps(steps)
		b := sc.Start
		for n, step := range sc.Steps {
			next, err := board.ApplyAll(b, step.Moves)
			if err != nil {
				return say.Refuse("step-order", say.Int("n", say.Given, n+1), say.Text("why", say.Given, err.Error()))
			}
			b = next
		}
		*sc = sc.Stamp()
		return nil
	})
}

func reshaped(steps []lesson.Step, at int, how string) ([]lesson.Step, error) {
	switch how {
	case HowSplit:
		if len(steps[at].Moves) < 2 {
			return nil, say.Refuse("split-moves")
		}
		one, two := steps[at].Split()
		steps[at] = one
		return slices.Insert(steps, at+1, two), nil
	case HowJoin:
		if at+1 >= len(steps) {
			return nil, say.Refuse("no-next-step")
		}
		steps[at] = steps[at].Join(steps[at+1])
		return slices.Delete(steps, at+1, at+2), nil
	case HowEarlier, HowLater:
		to := at - 1
		if how == HowLater {
			to = at + 1
		}
		if to < 0 || to >= len(steps) {
			return nil, say.Refuse("no-next-step")
		}
		steps[at], steps[to] = steps[to], steps[at]
		return steps, nil
	}
	return nil, fmt.Errorf("how: %s is not split, join, earlier or later", form.Quote(how))
}

// KeepArgs say where the moves of a scratch copy go.
type KeepArgs struct {
	// Into puts the moves at the end of the present step, rather than into a step
	// of their own after it.
	Into bool `json:"into,omitempty"`
}

// keepScratch turns the scratch copy into a step after the present one, or adds
// its moves to the present one; on a free board it becomes the board. The copy is
// put away only when its moves are kept.
func keepScratch(s *session, a KeepArgs) (Update, error) {
	sc, ok := s.current()
	if !ok || s.scratch == nil || len(s.scratch.moves) == 0 {
		return Update{}, fmt.Errorf("there is nothing to keep: the board was not touched")
	}
	moves := s.scratch.moves
	doc, step, err := s.keeping(sc, moves, a.Into)
	if err != nil {
		return Update{}, err
	}
	was := s.doc
	s.scratch = nil
	s.commit(doc, s.capture)
	s.step, s.phase = step, lesson.Rest
	if len(sc.Steps) == 0 {
		s.capture = s.capture.played(sc.ID, moves...)
	}
	return s.update(lesson.Difference(was, doc)), nil
}

// keeping is the document with the moves of a scratch copy, and the step shown then.
func (s *session) keeping(sc lesson.Scene, moves []board.Move, into bool) (lesson.Lesson, int, error) {
	if len(sc.Steps) == 0 {
		doc, err := lesson.Apply(s.doc, lesson.Edit{Kind: "play", Scene: sc.ID, Moves: moves})
		return doc, s.step, err
	}
	steps, step := slices.Clone(sc.Steps), s.step
	if step < len(steps) && steps[step].Made(s.phase) {
		step++ // its moves lie on the board already
	}
	if into && step > 0 {
		steps[step-1].Moves = slices.Concat(steps[step-1].Moves, moves)
	} else {
		steps = slices.Insert(steps, step, lesson.Step{Moves: moves})
		step++
	}
	sc.SetSteps(steps)
	at, _ := sc.At(step)
	sc.Steps[step-1].Total = board.Total(at.Models[0]).String()
	sc.Steps[step-1].UnitForm = at.Models[0].InPlay().String()
	doc, err := lesson.Apply(s.doc, lesson.Edit{Kind: "putScene", Put: &sc})
	return doc, step, err
}
