package door

import (
	"fmt"
	"slices"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/chance"
	"unitbloom/core/form"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/place"
	"unitbloom/core/say"
	"unitbloom/core/sentence"
)

// What a host may ask of a board without changing it.

// ModelArgs name a model of the board.
type ModelArgs struct {
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
func counting(s *session, a ModelArgs) ([]Reached, error) {
	b, m, err := s.model(a.Model)
	if err != nil {
		return nil, err
	}
	if b.IsCovered(a.Model) {
		return nil, say.Refuse("covered")
	}
	spec, _ := board.SpecOf(m.Kind())
	w, counts := s.doc.Words, []Reached{}
	for _, c := range spec.Counting(m) {
		counts = append(counts, Reached{c.ID, c.Part, w.Spell(c.Upto.String()), w.Spell(c.Upto.Words(true))})
	}
	if len(counts) == 0 {
		return nil, say.Refuse("nothing-to-count")
	}
	return counts, nil
}

// TextArgs hold a typed text.
type TextArgs struct {
	Text string `json:"text"`
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

func builds(s *session, a TextArgs) (Builds, error) {
	w, err := place.Parse(s.doc.Words.Plain(a.Text))
	if err != nil {
		return Builds{}, err
	}
	n, whole := w.Whole()
	if !whole || n > 9999 {
		return Builds{}, say.Refuse("whole-builds", say.Number("n", say.Given, w.Number))
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
		out.Forms = append(out.Forms, s.doc.Words.Spell(s.doc.Words.UnitForm(form)))
	}
	return out, nil
}

// acts compares the slow way and the fast way of laying a number.
func acts(s *session, a TextArgs) ([]method.Acts, error) {
	w, err := place.Parse(s.doc.Words.Plain(a.Text))
	if err != nil {
		return nil, err
	}
	n, whole := w.Whole()
	if !whole || n > 9999 {
		return nil, say.Refuse("whole-builds", say.Number("n", say.Given, w.Number))
	}
	return method.CountActs(n), nil
}

// ThrowArgs say what is thrown, how many, and the seed.
type ThrowArgs struct {
	Kind  string `json:"kind"`
	Count int    `json:"count"`
	Seed  uint64 `json:"seed"`
}

func throw(_ *Door, a ThrowArgs) ([]int, error) { return chance.Throw(a.Kind, a.Count, a.Seed) }

// Verdict is a sentence judged against itself and against the models.
type Verdict struct {
	Text  string `json:"text"`
	State string `json:"state"`
	Said  string `json:"said"`
	// Read is the sentence in words, as the class reads it aloud.
	Read   string `json:"read"`
	Solved string `json:"solved,omitempty"`
	Answer string `json:"answer,omitempty"`
	Arrow  string `json:"arrow,omitempty"`
	// Model says how the sentence stands to what the models show; it is empty while
	// they are covered or there is no board.
	Model string `json:"model,omitempty"`
	Fits  bool   `json:"fits"`
}

func judge(s *session, a TextArgs) (Verdict, error) {
	w := s.doc.Words
	v, err := sentence.Judge(w.Plain(a.Text))
	if err != nil {
		return Verdict{}, err
	}
	out := Verdict{Text: w.Spell(v.Text), State: v.State, Said: v.Said.Text(w), Read: v.Sentence.Read(w),
		Solved: w.Spell(v.Solved), Answer: w.Spell(v.Answer), Arrow: w.Spell(v.Arrow)}
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
			out.Model = say.New("sentence.parts", say.Text("model", say.Name, spec.Noun),
				say.Number("n", say.Amount, board.Total(m))).Text(w)
		}
	}
	return out, nil
}

// LinesArgs hold lines of the record.
type LinesArgs struct {
	Lines []string `json:"lines"`
}

// Lit is lines with their digits told apart, and what there is to be noticed, which is held
// back until the class has looked.
type Lit struct {
	Lines [][]sentence.Part `json:"lines"`
	Said  string            `json:"said"`
}

// stayed tells which digits of lines stayed from one to the next, and which changed.
func stayed(s *session, a LinesArgs) (Lit, error) {
	w := s.doc.Words
	plain := make([]string, len(a.Lines))
	for i, line := range a.Lines {
		plain[i] = w.Plain(line)
	}
	l, err := sentence.Stayed(plain)
	if err != nil {
		return Lit{}, err
	}
	out := Lit{Lines: l.Lines}
	for _, parts := range out.Lines {
		for k := range parts {
			if parts[k].Text == "." {
				parts[k].Text = w.Point()
			}
		}
	}
	var said []string
	for _, m := range l.Said {
		said = append(said, m.Text(w))
	}
	out.Said = strings.Join(said, " ")
	return out, nil
}

// SceneOnlyArgs name a scene.
type SceneOnlyArgs struct {
	Scene string `json:"scene"`
}

// boardOf is the board of a scene as it is in the end, for a small picture beside a line that
// came from it. What is covered or held back there is not in it.
func boardOf(s *session, a SceneOnlyArgs) (BoardView, error) {
	sc, i := s.doc.Scene(a.Scene)
	if i < 0 {
		return BoardView{}, fmt.Errorf("scene: there is no scene %s in this lesson", form.Quote(a.Scene))
	}
	there := *s
	there.scene, there.step, there.phase, there.scratch = sc.ID, len(sc.Steps), lesson.Rest, nil
	there.stage = stage{}
	b := there.board()
	return there.view(b, there.shownLayouts(b), sc), nil
}

// offers are the lines that the record could have of what is shown: the sentence of an
// example that is done, or of a board whose number is not held back. Each is true, and not
// there yet.
func (s *session) offers(sc lesson.Scene, b board.Board) []string {
	line := s.doc.Words.Spell(s.recordable(sc, b))
	if line == "" || slices.ContainsFunc(s.doc.Record, func(e lesson.Entry) bool { return e.Text == line }) {
		return []string{}
	}
	return []string{line}
}

// recordable is what the record could have of what is shown; empty where there is nothing. A
// problem is the teacher's and is judged; what lies on a board is its number.
func (s *session) recordable(sc lesson.Scene, b board.Board) string {
	switch {
	case s.scratch != nil:
	case sc.Made != nil && s.step == len(sc.Steps) && sc.Made.Problem != sc.Made.Answer:
		v, err := sentence.Judge(sc.Made.Problem + " = " + sc.Made.Answer)
		if err == nil && v.State == "true" {
			return v.Text
		}
	case len(sc.Steps) == 0 && sc.Page.Shows() && !b.IsCovered(0) && len(s.secrets(sc, b)) == 0:
		if form := b.Models[0].InPlay(); len(form) > 0 {
			return seenAs(b.Models[0], form) + " = " + board.Total(b.Models[0]).String()
		}
	}
	return ""
}

// seenAs is a number by what is seen of it: single pieces by the parts that they lie in, like
// the rows of a rack, and others by their places.
func seenAs(m board.Model, form place.UnitForm) string {
	spec, _ := board.SpecOf(m.Kind())
	if spec.Parts == nil || len(form) > 1 || form[0].Place != place.Ones {
		return form.String()
	}
	var parts []string
	for _, n := range spec.Parts(m) {
		if !n.IsZero() {
			parts = append(parts, n.String())
		}
	}
	if len(parts) < 2 {
		return form.String()
	}
	return strings.Join(parts, " + ")
}

// compare is the first two models with the sign between their numbers.
func compare(s *session, _ None) (TextArgs, error) {
	b := s.board()
	if len(b.Models) < 2 {
		return TextArgs{}, say.Refuse("compare-two")
	}
	if b.IsCovered(0) || b.IsCovered(1) {
		return TextArgs{}, say.Refuse("covered")
	}
	return TextArgs{s.doc.Words.Spell(sentence.Compare(board.Total(b.Models[0]), board.Total(b.Models[1])))}, nil
}

// ClearArgs list what is cleared.
type ClearArgs struct {
	What []string `json:"what"`
}

// clearable are the four things that are cleared each on its own.
var clearable = []string{"pieces", "ink", "notes", "record"}

// clearThings clears some of them, as one undo. The pieces go by moves of their
// models, so that a capture holds them.
func clearThings(s *session, a ClearArgs) (Update, error) {
	if s.doc.Newer != nil {
		return Update{}, say.Refuse("newer")
	}
	for _, what := range a.What {
		if !slices.Contains(clearable, what) {
			return Update{}, fmt.Errorf("what: %s cannot be cleared. Use pieces, ink, notes or record", form.Quote(what))
		}
	}
	sc, i := s.doc.Scene(s.scene)
	if i < 0 {
		return Update{}, fmt.Errorf("scene: this lesson has no board yet")
	}
	doc, c := s.doc, s.capture
	doc.Scenes = slices.Clone(doc.Scenes)
	has := func(what string) bool { return slices.Contains(a.What, what) }
	if has("pieces") && len(sc.Steps) == 0 {
		for k, m := range sc.Start.Models {
			spec, _ := board.SpecOf(m.Kind())
			mv := board.Move{Kind: spec.Empties, Model: k}
			next, _, err := board.Apply(sc.Start, mv)
			if err != nil {
				return Update{}, err
			}
			sc.Start, c = next, c.played(sc.ID, mv)
		}
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
	return s.become(doc, c), nil
}

// SelectionArgs name pieces of a model by the ids that the host has.
type SelectionArgs struct {
	Model int             `json:"model"`
	IDs   []board.PieceID `json:"ids"`
}

// Selection is what a selection holds, and the verbs that it carries.
type Selection struct {
	// Text says how many pieces it holds: of them, those that are seen.
	Text  string `json:"text"`
	Verbs []Verb `json:"verbs"`
	// Form is what is in play of it, as it can be typed: "3 tens 4 ones"; empty where its
	// count is held back.
	Form string `json:"form"`
}

// Verb is one word of a selection's strip: the move that it would make, or why
// it cannot.
type Verb struct {
	Label string     `json:"label"`
	OK    bool       `json:"ok"`
	Why   string     `json:"why,omitempty"`
	Move  board.Move `json:"move"`
}

// selection tries each verb of the selection on the board as it stands.
func selection(s *session, a SelectionArgs) (Selection, error) {
	b, m, err := s.model(a.Model)
	if err != nil {
		return Selection{}, err
	}
	ids := a.IDs
	if b.IsCovered(a.Model) {
		seen := b.ShownIDs(a.Model)
		ids = slices.DeleteFunc(slices.Clone(ids), func(id board.PieceID) bool { return !seen[id] })
	}
	out := Selection{Text: say.New("selected", say.Int("n", say.Amount, len(ids))).Text(s.doc.Words), Verbs: []Verb{}}
	if s.countsHeld(a.Model, b.Tiles[a.Model]) {
		out.Text = "" // it would be the count
	}
	spec, _ := board.SpecOf(m.Kind())
	if spec.Offers == nil || len(ids) == 0 {
		return out, nil
	}
	for _, o := range spec.Offers(m, ids) {
		o.Move.Model = a.Model
		v := Verb{Label: o.Label.Text(s.doc.Words), OK: true, Move: o.Move}
		after, _, err := board.Apply(b, o.Move)
		if err != nil {
			v.OK, v.Why = false, s.sentence(err)
		} else if o.Move.Kind == "take" && out.Text != "" {
			out.Form = without(m.InPlay(), after.Models[a.Model].InPlay()).String()
		}
		out.Verbs = append(out.Verbs, v)
	}
	return out, nil
}

// without is what of a form is no longer in another.
func without(form, left place.UnitForm) place.UnitForm {
	return place.FromCounts(func(p place.Place) int { return form.Of(p) - left.Of(p) })
}

// sentence is an error in the class's words.
func (s *session) sentence(err error) string { return sentenceOf(err, s.doc.Words) }

// QuickLook is what lies under the covers of a model.
type QuickLook struct {
	Pieces Pieces `json:"pieces"`
}

// quickLook gives the pieces of a model that are covered, for the teacher to show
// for a moment. The board, and what it says, stay as they are.
func quickLook(s *session, a ModelArgs) (QuickLook, error) {
	b, _, err := s.model(a.Model)
	if err != nil {
		return QuickLook{}, err
	}
	seen := b.ShownIDs(a.Model)
	var out QuickLook
	for _, p := range spelled(b.LayIn(a.Model, s.room(b, a.Model)), s.doc.Words).Pieces {
		if !seen[p.ID] {
			out.Pieces = append(out.Pieces, p)
		}
	}
	return out, nil
}

// Version is the file form that this core writes.
type Version struct {
	Format int `json:"format"`
	Minor  int `json:"minor"`
}

func version(*Door, None) (Version, error) { return Version{lesson.Format, lesson.Minor}, nil }

func readNumber(_ *Door, a TextArgs) (place.Reading, error) {
	w, err := place.Parse(a.Text)
	if err != nil {
		return place.Reading{}, err
	}
	return w.Read(), nil
}

// MethodInfo is what is to be known of a method before using it.
type MethodInfo struct {
	ID        string          `json:"id"`
	Title     string          `json:"title"`
	Operation string          `json:"operation"`
	Doc       string          `json:"doc"`
	Args      string          `json:"args"`
	Sample    []string        `json:"sample"`
	Typed     string          `json:"typed"`
	Limits    string          `json:"limits"`
	Models    []string        `json:"models"`
	Options   []method.Option `json:"options"`
}

// Methods lists the registry of methods.
func Methods() []MethodInfo {
	var out []MethodInfo
	for _, m := range method.Specs() {
		models := m.Kinds()
		if m.OnBoard {
			models = []string{} // there is nothing to choose
		}
		out = append(out, MethodInfo{m.ID, m.Title, m.Operation, m.Doc, m.Args, m.Sample, m.Typed, m.Limits, models,
			m.AllOptions()})
	}
	return out
}

// listMethods shows what is typed as the class writes it.
func listMethods(s *session, _ None) ([]MethodInfo, error) {
	list := Methods()
	for i := range list {
		list[i].Typed = s.doc.Words.Spell(list[i].Typed)
	}
	return list, nil
}
