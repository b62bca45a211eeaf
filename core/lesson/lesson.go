// Package lesson is the document that is saved, shared and presented: scenes in
// order, each a start board and the steps from it, and the record beside them.
package lesson

import (
	"fmt"
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/form"
	_ "unitbloom/core/model" // the models that a lesson's boards hold
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Format and Minor are the version of the file form that this core writes. Within
// a format a later minor has further optional fields, whose absence means what was
// before.
const (
	Format = 2
	Minor  = 3
)

// Lesson is the whole document. Values are immutable: an edit gives a new one.
type Lesson struct {
	// The version of the file form.
	Format int `json:"format" jsonschema:"required,enum=2"`
	// Which optional fields there can be; 0 when left out.
	Minor int `json:"minor,omitempty" jsonschema:"minimum=0"`
	// What a program must know to change the lesson. One that does not know all of it only reads it.
	Requires []string `json:"requires,omitempty" jsonschema:"maxItems=20"`
	// The lesson's own name; a new one is given on import.
	ID string `json:"id" jsonschema:"maxLength=64"`
	// What the shelf shows.
	Title string `json:"title" jsonschema:"required,maxLength=200"`
	// What the class is to notice.
	Objective string `json:"objective,omitempty" jsonschema:"maxLength=2000"`
	// What the class calls things.
	Words say.Vocabulary `json:"words"`
	// The scenes in order.
	Scenes []Scene `json:"scenes" jsonschema:"required,maxItems=200"`
	// What is kept beside the board, across scenes.
	Record []Entry `json:"record,omitempty" jsonschema:"maxItems=2000"`
	// Newer is set on a lesson that this version does not know enough of to change:
	// it is only read.
	Newer *Newer     `json:"-"`
	extra form.Extra // fields of a later minor, as they came
}

// Scene is a start board and the steps from it. A free board has no steps: its
// present board is its start.
type Scene struct {
	// Its name in the lesson; no two scenes share one.
	ID string `json:"id" jsonschema:"required,minLength=1,maxLength=64"`
	// What the stem shows.
	Title string `json:"title" jsonschema:"maxLength=200"`
	// The board before the first step.
	Start board.Board `json:"start" jsonschema:"required"`
	// The steps in order.
	Steps []Step `json:"steps,omitempty" jsonschema:"maxItems=500"`
	// The read-outs that are shown; the others are held back.
	Show []string `json:"show,omitempty"`
	// Where the written method puts its regroup marks; above when left out.
	Marks string `json:"marks,omitempty" jsonschema:"enum=above,enum=below"`
	// What is drawn over the board.
	Ink []Stroke `json:"ink,omitempty" jsonschema:"maxItems=500"`
	// Texts placed on the board.
	Notes []Note `json:"notes,omitempty" jsonschema:"maxItems=60"`
	// The method and problem that made the scene.
	Made *Made `json:"made,omitempty"`
	// The objective of the lesson, a word card, or nothing but paper; a board when left out. The board of an
	// objective or of paper is not shown.
	Page Page `json:"page,omitempty" jsonschema:"enum=objective,enum=word,enum=blank"`
	// What the teacher notes for herself; the class does not see it.
	Aside string `json:"aside,omitempty" jsonschema:"maxLength=2000"`

	extra form.Extra
	// stepBytes is how long the steps are in JSON; 0 when nobody has looked yet.
	stepBytes int
}

// Page is what a scene is.
type Page string

// A scene is a board, but for these.
const (
	BoardPage     Page = ""
	ObjectivePage Page = "objective"
	WordPage      Page = "word"
	BlankPage     Page = "blank"
)

// Shows reports whether the board of the scene is seen.
func (p Page) Shows() bool { return p == BoardPage || p == WordPage }

// Made says where a worked example comes from.
type Made struct {
	Method  string            `json:"method" jsonschema:"required"`
	Problem string            `json:"problem" jsonschema:"required"`
	Answer  string            `json:"answer" jsonschema:"required"`
	Model   string            `json:"model" jsonschema:"required"`
	Args    []string          `json:"args,omitempty"`
	Options map[string]string `json:"options,omitempty"`
}

// Step is one act of a worked example: what is said, asked, moved, answered and
// written; any may be empty. The kind of its question tells the order, as Phases says.
type Step struct {
	// What the teacher says.
	Say say.Line `json:"say"`
	// What she asks.
	Ask say.Line `json:"ask"`
	// The kind of the question: predict and decide come before the moves, the others after; decide when left out.
	Asks say.Kind `json:"asks,omitempty" jsonschema:"enum=predict,enum=decide,enum=look,enum=say,enum=explain,enum=check"`
	// The answer, held back until it is revealed. Where nothing is asked, it is told.
	Answer say.Line `json:"answer"`
	// What to look at.
	Look say.Line `json:"look"`
	// The moves, in order.
	Moves []board.Move `json:"moves" jsonschema:"maxItems=2000"`
	// What is written.
	Write []Write `json:"write" jsonschema:"maxItems=200"`
	// What to look at, as zones, pieces and cells; where its moves and its writing tell it, it is left out.
	Focus *Focus `json:"focus,omitempty"`
	// Played by itself, the example waits here.
	Pause bool `json:"pause,omitempty"`
	// The exact value of the pieces in play on the first model afterwards; empty when not known.
	Total string `json:"total"`
	// Those pieces as they then lie.
	UnitForm string `json:"unitForm"`

	extra form.Extra
}

// Write is something written in a step: which of its fields hold is told by
// its kind.
type Write struct {
	// A number sentence, a cell of the written method, a table row, a bond or a text.
	Kind string `json:"kind" jsonschema:"required,enum=sentence,enum=cell,enum=row,enum=bond,enum=text"`
	// The sentence, the text, or the sign in the cell.
	Text string `json:"text,omitempty" jsonschema:"maxLength=500"`
	// Of a cell: mark, addend 1 to 4 and sum, or quotient and dividend.
	Row string `json:"row,omitempty"`
	// Of a cell: its column; the sign's column when left out.
	Place *place.Place `json:"place,omitempty"`
	// The pieces that the sign stands for.
	Stands []board.Select `json:"stands,omitempty"`
	// Of a table row: its cells.
	Cells []string `json:"cells,omitempty"`
	// Of the first row of a table: what its columns say.
	Heads []string `json:"heads,omitempty"`
	// Of a bond: the whole.
	Whole string `json:"whole,omitempty"`
	// Of a bond: two to four parts.
	Parts []string `json:"parts,omitempty"`

	extra form.Extra
}

// Entry is one line of the record.
type Entry struct {
	// The line.
	Text string `json:"text" jsonschema:"required,minLength=1,maxLength=500"`
	// The scene that it came from.
	Scene string `json:"scene,omitempty"`

	extra form.Extra
}

// Spelled is what is written as the class writes its numbers.
func (w Write) Spelled(words say.Vocabulary) Write {
	w.Text, w.Whole = words.Spell(w.Text), words.Spell(w.Whole)
	w.Cells, w.Parts = spelled(w.Cells, words), spelled(w.Parts, words)
	return w
}

func spelled(texts []string, words say.Vocabulary) []string {
	texts = slices.Clone(texts)
	for i := range texts {
		texts[i] = words.Spell(texts[i])
	}
	return texts
}

var (
	noMoves = []board.Move{}
	noWrite = []Write{}
)

// Lines are the four things said or shown at a step, in their order.
func (s Step) Lines() []say.Line { return []say.Line{s.Say, s.Ask, s.Answer, s.Look} }

// Boards are the scene's boards before its first step and after each one. They stop before
// a step that is refused.
func (s Scene) Boards() []board.Board {
	all := []board.Board{s.Start}
	for i, step := range s.Steps {
		next, err := board.ApplyAll(all[i], step.Moves)
		if err != nil {
			break
		}
		all = append(all, next)
	}
	return all
}

// At is the scene's board after its first n steps, with how many of the steps
// fit. It stops before a step that is refused.
func (s Scene) At(n int) (board.Board, int) {
	s.Steps = s.Steps[:min(n, len(s.Steps))]
	all := s.Boards()
	return all[len(all)-1], len(all) - 1
}

// Outcome is what a step came to when the scene was replayed.
type Outcome struct {
	Board board.Board
	// Err is why the step no longer fits: a refusal of one of its moves, or a
	// total that is not the one that the step was made for.
	Err error
}

// Replay plays the scene from its start. Every step has an outcome; from the
// first that does not fit, the board stays as it was.
func (s Scene) Replay() []Outcome {
	out := make([]Outcome, len(s.Steps))
	b := s.Start
	for i, step := range s.Steps {
		next, err := board.ApplyAll(b, step.Moves)
		if err == nil {
			b, err = next, step.fits(next)
		}
		out[i] = Outcome{b, err}
		if err != nil {
			for j := i + 1; j < len(out); j++ {
				out[j] = Outcome{b, fmt.Errorf("step %d before it does not fit", i+1)}
			}
			break
		}
	}
	return out
}

func (s Step) fits(b board.Board) error {
	now := board.Total(b.Models[0]).String()
	form := b.Models[0].InPlay().String()
	if s.Total == "" || s.Total == now && (s.UnitForm == "" || s.UnitForm == form) {
		return nil
	}
	return say.Refuse("drift", say.Text("made", say.Given, s.Total+" ("+s.UnitForm+")"),
		say.Text("now", say.Given, now+" ("+form+")"))
}

// Stamp writes the totals of a replay into the steps that fit, as after an
// edit that the teacher means.
func (s Scene) Stamp() Scene {
	s.SetSteps(slices.Clone(s.Steps))
	b := s.Start
	for i := range s.Steps {
		next, err := board.ApplyAll(b, s.Steps[i].Moves)
		if err != nil {
			break
		}
		b = next
		s.Steps[i].Total = board.Total(b.Models[0]).String()
		s.Steps[i].UnitForm = b.Models[0].InPlay().String()
	}
	return s
}

// Scene finds a scene by id.
func (l Lesson) Scene(id string) (Scene, int) {
	i := slices.IndexFunc(l.Scenes, func(s Scene) bool { return s.ID == id })
	if i < 0 {
		return Scene{}, -1
	}
	return l.Scenes[i], i
}

// SetSteps gives the scene other steps.
func (s *Scene) SetSteps(steps []Step) { s.Steps, s.stepBytes = steps, 0 }

// Split parts the moves of a step in two halves. What it says and writes goes with
// the second half; what it asks stays with the first.
func (s Step) Split() (first, second Step) {
	half := len(s.Moves) / 2
	second = Step{Say: s.Say, Moves: s.Moves[half:], Write: s.Write}
	s.Moves, s.Write = s.Moves[:half:half], nil
	return s, second
}

// Join is the step with the next one's moves and written work after its own. Where
// it asks nothing, it asks what the next one does.
func (s Step) Join(next Step) Step {
	s.Moves, s.Write = slices.Concat(s.Moves, next.Moves), slices.Concat(s.Write, next.Write)
	if s.Ask.IsZero() {
		s.Ask, s.Asks, s.Answer = next.Ask, next.Asks, next.Answer
	}
	return s
}
