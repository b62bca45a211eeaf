package door

import (
	"fmt"
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/chance"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/place"
	"unitbloom/core/say"
	"unitbloom/core/sentence"
)

// What a host may ask of a board without changing it.

type onModel struct {
	Model int `json:"model"`
}

func (s *session) model(i int) (board.Board, board.Model, error) {
	b := s.board()
	if i < 0 || i >= len(b.Models) {
		return b, nil, fmt.Errorf("model: there is no model %d", i)
	}
	return b, b.Models[i], nil
}

// Reached is one piece as it is counted aloud: the number reached, as numeral and
// in words, and the part that the piece is of.
type Reached struct {
	ID    board.PieceID `json:"id"`
	Part  int           `json:"part"`
	Upto  string        `json:"upto"`
	Words string        `json:"words"`
}

// counting is the pieces in play in the order in which they are counted. What
// is covered is not counted.
func counting(s *session, a onModel) (any, error) {
	b, m, err := s.model(a.Model)
	if err != nil {
		return nil, err
	}
	if b.IsCovered(a.Model) {
		return nil, say.Refuse("covered")
	}
	spec, _ := board.SpecOf(m.Kind())
	counts := []Reached{}
	for _, c := range spec.Counting(m) {
		counts = append(counts, Reached{c.ID, c.Part, c.Upto.String(), c.Upto.Words(true)})
	}
	if len(counts) == 0 {
		return nil, say.Refuse("nothing-to-count")
	}
	return counts, nil
}

// Builds are the ways to build a number, the first of them as typed forms.
type Builds struct {
	Count int      `json:"count"`
	Forms []string `json:"forms"`
}

// Up to these all builds are listed; beyond, their count and the first few.
const (
	allInTens     = 99
	allInHundreds = 300
	firstBuilds   = 50
)

func builds(s *session, a struct{ Text string }) (any, error) {
	w, err := place.Parse(a.Text)
	if err != nil {
		return nil, err
	}
	n, whole := w.Whole()
	if !whole || n > 9999 {
		return nil, say.Refuse("whole-builds", say.Number("n", say.Given, w.Number))
	}
	top, limit := place.Tens, n/10+1
	switch {
	case n > allInHundreds:
		top, limit = min(w.Top(), place.Thousands), firstBuilds
	case n > allInTens:
		top, limit = place.Hundreds, 1<<20
	}
	list, count := place.Builds(n, top, limit)
	out := Builds{Count: count, Forms: []string{}}
	for _, form := range list {
		out.Forms = append(out.Forms, s.doc.Words.UnitForm(form))
	}
	return out, nil
}

// acts compares the slow way and the fast way of laying a number.
func acts(_ *Door, a struct{ Text string }) (any, error) {
	w, err := place.Parse(a.Text)
	if err != nil {
		return nil, err
	}
	n, whole := w.Whole()
	if !whole || n > 9999 {
		return nil, say.Refuse("whole-builds", say.Number("n", say.Given, w.Number))
	}
	return method.CountActs(n), nil
}

type throwArgs struct {
	Kind  string `json:"kind"`
	Count int    `json:"count"`
	Seed  uint64 `json:"seed"`
}

func throw(_ *Door, a throwArgs) (any, error) { return chance.Throw(a.Kind, a.Count, a.Seed) }

// Verdict is a sentence judged against itself and against the models.
type Verdict struct {
	Text   string `json:"text"`
	State  string `json:"state"`
	Said   string `json:"said"`
	Solved string `json:"solved,omitempty"`
	Answer string `json:"answer,omitempty"`
	Arrow  string `json:"arrow,omitempty"`
	// Model says how the sentence stands to what the models show; it is empty while
	// they are covered or there is no board.
	Model string `json:"model,omitempty"`
	Fits  bool   `json:"fits"`
}

func judge(s *session, a struct{ Text string }) (any, error) {
	v, err := sentence.Judge(a.Text)
	if err != nil {
		return nil, err
	}
	w := s.doc.Words
	out := Verdict{Text: v.Text, State: v.State, Said: v.Said.Text(w), Solved: v.Solved, Answer: v.Answer, Arrow: v.Arrow}
	if _, ok := s.current(); !ok {
		return out, nil
	}
	b := s.board()
	for i, m := range b.Models {
		if b.IsCovered(i) {
			continue
		}
		spec, _ := board.SpecOf(m.Kind())
		if v.Against(board.Total(m)) {
			out.Fits = true
			out.Model = say.New("sentence.agrees", say.Text("model", say.Name, spec.Noun)).Text(w)
			return out, nil
		}
		if out.Model == "" {
			out.Model = say.New("sentence.parts", say.Text("model", say.Name, spec.Noun), say.Number("n", say.Amount, board.Total(m))).Text(w)
		}
	}
	return out, nil
}

// compare is the first two models with the sign between their numbers.
func compare(s *session, _ struct{}) (any, error) {
	b := s.board()
	if len(b.Models) < 2 {
		return nil, say.Refuse("compare-two")
	}
	if b.IsCovered(0) || b.IsCovered(1) {
		return nil, say.Refuse("covered")
	}
	return map[string]string{"text": sentence.Compare(board.Total(b.Models[0]), board.Total(b.Models[1]))}, nil
}

type clearArgs struct {
	What []string `json:"what"`
}

// clearable are the four things that are cleared each on its own.
var clearable = []string{"pieces", "ink", "notes", "record"}

// clearThings clears some of them, as one undo.
func clearThings(s *session, a clearArgs) (any, error) {
	if s.doc.Newer != nil {
		return nil, say.Refuse("newer")
	}
	for _, what := range a.What {
		if !slices.Contains(clearable, what) {
			return nil, fmt.Errorf("what: %q cannot be cleared. Use pieces, ink, notes or record", what)
		}
	}
	sc, i := s.doc.Scene(s.scene)
	if i < 0 {
		return nil, fmt.Errorf("scene: this lesson has no board yet")
	}
	doc := s.doc
	doc.Scenes = slices.Clone(doc.Scenes)
	has := func(what string) bool { return slices.Contains(a.What, what) }
	if has("pieces") && len(sc.Steps) == 0 {
		sc.Start = cleared(sc.Start)
	}
	if has("ink") {
		sc.Ink = nil
	}
	if has("notes") {
		sc.Notes = nil
	}
	if has("record") {
		doc.Record = nil
	}
	doc.Scenes[i] = sc
	here := s.doc
	s.commit(doc, []string{sc.ID})
	return s.turned(lesson.Difference(here, doc, func(x, _ *lesson.Scene) bool { return x.ID != sc.ID })), nil
}

// cleared is the board with the pieces of every model put away.
func cleared(b board.Board) board.Board {
	for i := range b.Models {
		for _, kind := range []string{"clear", "home"} {
			if next, _, err := board.Apply(b, board.Move{Kind: kind, Model: i}); err == nil {
				b = next
			}
		}
	}
	return b
}
