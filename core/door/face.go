package door

import (
	"fmt"

	"unitbloom/core/board"
	"unitbloom/core/form"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/place"
)

// Face is the picture by which a lesson is known on the shelf: the fullest board of its first
// scene that has anything on it. A lesson without one has no models in it.
func Face(l lesson.Lesson) BoardView {
	s := &session{door: New(), doc: l}
	for _, sc := range l.Scenes {
		if face, ok := s.face(sc); ok {
			return face
		}
	}
	return BoardView{Models: []ModelView{}}
}

// mostOfFace is how many pieces a picture has: more could not be told apart.
const mostOfFace = 600

// face is the fullest board of a scene, laid as loosely as for building; of boards with as many
// pieces, as those of a rack, the one that shows the largest number. What is covered is not in it.
func (s *session) face(sc lesson.Scene) (BoardView, bool) {
	if !sc.Page.Shows() {
		return BoardView{}, false
	}
	there := *s
	there.scene, there.step, there.phase, there.scratch, there.stage = sc.ID, len(sc.Steps), lesson.Rest, nil, stage{}
	var fullest board.Board
	var drawn []board.Layout
	var worth place.Number
	most := 0
	for _, b := range sc.Boards() {
		laid := s.loose(b)
		pieces := 0
		for i := range laid {
			for k := range laid[i].Pieces {
				if laid[i].Pieces[k].Marks&(board.MarkSpent|board.MarkTaken|board.MarkCrossed) == 0 {
					pieces++
				}
			}
		}
		if pieces == 0 || pieces > mostOfFace {
			continue
		}
		if shown := shownNumber(b); pieces > most || pieces == most && shown.Cmp(worth) > 0 {
			fullest, drawn, most, worth = b, laid, pieces, shown
		}
	}
	if most == 0 {
		return BoardView{}, false
	}
	return there.view(fullest, drawn, sc), true
}

// shownNumber is the largest number of a board that no cover holds back.
func shownNumber(b board.Board) place.Number {
	var largest place.Number
	for i, m := range b.Models {
		if n := board.Total(m); !b.IsCovered(i) && n.Cmp(largest) > 0 {
			largest = n
		}
	}
	return largest
}

// loose is a board laid as for building, without what is covered.
func (s *session) loose(b board.Board) []board.Layout {
	laid := make([]board.Layout, len(b.Models))
	for i := range b.Models {
		laid[i] = spelled(b.Shown(i), s.doc.Words)
	}
	return laid
}

// faceOf is the picture of a scene on the stem.
func faceOf(s *session, a SceneOnlyArgs) (BoardView, error) {
	sc, i := s.doc.Scene(a.Scene)
	if i < 0 {
		return BoardView{}, fmt.Errorf("scene: there is no scene %s in this lesson", form.Quote(a.Scene))
	}
	if face, ok := s.face(sc); ok {
		return face, nil
	}
	return BoardView{Models: []ModelView{}}, nil
}

// Pictures are boards of an example as pictures, and the options that would change it.
type Pictures struct {
	Boards  []BoardView `json:"boards"`
	Matters []string    `json:"matters"`
}

// mostPictures are enough to see how an example goes.
const mostPictures = 4

// pictures are boards of an example before it is added: where it begins, where it ends, and
// between; of several ways the first of each.
func pictures(s *session, a ExampleArgs) (Pictures, error) {
	r, err := a.request(s.doc.Words)
	if err != nil {
		return Pictures{}, err
	}
	e, err := method.Make(r)
	if err != nil {
		return Pictures{}, err
	}
	out := Pictures{[]BoardView{}, method.Matters(r)}
	e = e.In(s.doc.Words)
	if len(e.More) > 0 {
		for _, one := range append([]method.Example{e}, e.More...) {
			if len(out.Boards) < mostPictures {
				out.Boards = append(out.Boards, s.faceAlone(one))
			}
		}
		return out, nil
	}
	sc := e.SceneAs("example")
	there := &session{door: s.door, doc: lesson.Lesson{Words: s.doc.Words, Scenes: []lesson.Scene{sc}}, scene: sc.ID}
	for _, there.step = range moving(sc) {
		b := there.board()
		out.Boards = append(out.Boards, there.view(b, there.shownLayouts(b), sc))
	}
	return out, nil
}

// faceAlone is the picture of an example that is in no lesson.
func (s *session) faceAlone(e method.Example) BoardView {
	return Face(lesson.Lesson{Words: s.doc.Words, Scenes: []lesson.Scene{e.SceneAs("example")}})
}

// moving are steps of a scene after which pieces lie otherwise, at most so many, from the
// first to the last.
func moving(sc lesson.Scene) []int {
	var all []int
	for i, step := range sc.Steps {
		if len(step.Moves) > 0 {
			all = append(all, i+1)
		}
	}
	if len(all) <= mostPictures {
		return all
	}
	few := make([]int, mostPictures)
	for i := range few {
		few[i] = all[i*(len(all)-1)/(mostPictures-1)]
	}
	return few
}

// SampleView is what a method's sample looks like.
type SampleView struct {
	Method string    `json:"method"`
	Face   BoardView `json:"face"`
}

// Samples are the pictures of the methods of an operation.
type Samples struct {
	Samples []SampleView `json:"samples"`
}

// SamplesArgs name the operation, as the methods do.
type SamplesArgs struct {
	Operation string `json:"operation"`
}

// samples are the fullest boards of the methods' samples, by which a method is known.
func samples(s *session, a SamplesArgs) (Samples, error) {
	out := Samples{[]SampleView{}}
	for _, spec := range method.Specs() {
		if spec.Operation != a.Operation {
			continue
		}
		e, err := method.Make(method.Request{Method: spec.ID, Args: spec.Sample})
		if err != nil {
			return out, err
		}
		out.Samples = append(out.Samples, SampleView{spec.ID, s.faceAlone(e)})
	}
	if len(out.Samples) == 0 {
		return out, fmt.Errorf("operation: there is no method for the operation %s", form.Quote(a.Operation))
	}
	return out, nil
}
