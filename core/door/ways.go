package door

import (
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/say"
)

// takenWay is a child's way that was taken in on a scene at a step. It lies over the
// board; the board stays as it is.
type takenWay struct {
	method.Way
	name        string
	scene       string
	step, model int
}

// WayView is a way as it is shown: its parts ringed in a colour of its own, and the
// sentence with its branches. Rings are there at the step at which it was taken in.
type WayView struct {
	Name   string            `json:"name"`
	Text   string            `json:"text"`
	Whole  string            `json:"whole"`
	Parts  []string          `json:"parts"`
	Model  int               `json:"model"`
	Colour int               `json:"colour"`
	Rings  [][]board.PieceID `json:"rings"`
}

// TakeInArgs are what a child said, or the pieces that were drawn round, or both.
type TakeInArgs struct {
	Model int               `json:"model"`
	Text  string            `json:"text"`
	Drawn [][]board.PieceID `json:"drawn"`
	Name  string            `json:"name"`
}

// maxWays is how many ways stand together, and maxName how long a name is.
const (
	maxWays = 8
	maxName = 40
)

// takeIn takes a child's way in: it is checked against what lies there, ringed, and
// written into the record. The same way in other words is told, and is not a second one.
func takeIn(s *session, a TakeInArgs) (Update, error) {
	b, _, err := s.model(a.Model)
	if err != nil {
		return Update{}, err
	}
	if len([]rune(a.Name)) > maxName {
		return Update{}, board.BadField("name", "a name has at most 40 letters")
	}
	w := s.doc.Words
	way, err := method.TakeIn(b, a.Model, w.Plain(a.Text), a.Drawn)
	if err != nil {
		return Update{}, err
	}
	here := s.waysHere()
	for _, other := range here {
		if other.step == s.step && other.model == a.Model && other.Alike(way.Seen) {
			return Update{}, say.Refuse("seen-again", say.Text("sum", say.Given, other.sentence()))
		}
	}
	if len(here) == maxWays {
		return Update{}, say.Refuse("ways-full", say.Int("most", say.Given, maxWays))
	}
	taken := takenWay{way, a.Name, s.scene, s.step, a.Model}
	if s.doc.Newer != nil {
		s.ways = append(slices.Clip(s.ways), taken)
		return s.update(nil), nil
	}
	doc, err := lesson.Apply(s.doc, lesson.Edit{Kind: "setRecord",
		Record: append(slices.Clip(s.doc.Record), lesson.Entry{Text: w.Spell(taken.sentence()), Scene: s.scene})})
	if err != nil {
		return Update{}, err
	}
	was := s.doc
	s.commit(doc, s.capture)
	s.ways = append(slices.Clip(s.ways), taken)
	return s.update(lesson.Difference(was, doc)), nil
}

// dropWays takes the ways off the scene; the record keeps them.
func dropWays(s *session, _ None) (Frame, error) {
	s.ways = slices.DeleteFunc(slices.Clone(s.ways), func(w takenWay) bool { return w.scene == s.scene })
	return s.frame(), nil
}

func (w takenWay) whole() string { return say.Int("n", say.Given, w.Total).Text }

func (w takenWay) equation() string { return w.Sum + " = " + w.whole() }

// sentence is the way as it is written, with the child's name where one is given.
func (w takenWay) sentence() string {
	if w.name == "" {
		return w.equation()
	}
	return w.name + ": " + w.equation()
}

// waysHere are the ways that were taken in on the present scene.
func (s *session) waysHere() []takenWay {
	var here []takenWay
	for _, w := range s.ways {
		if w.scene == s.scene {
			here = append(here, w)
		}
	}
	return here
}

func (s *session) wayViews(b board.Board) []WayView {
	views := []WayView{}
	w := s.doc.Words
	for i, way := range s.waysHere() {
		v := WayView{Name: way.name, Text: w.Spell(way.equation()), Whole: w.Spell(way.whole()),
			Parts: way.Branches(), Model: way.model, Colour: i % maxWays, Rings: [][]board.PieceID{}}
		if way.step == s.step && way.model < len(b.Models) && !b.IsCovered(way.model) {
			v.Rings = way.Rings
		}
		views = append(views, v)
	}
	return views
}
