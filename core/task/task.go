// Package task holds what children are set: something to do, made from a few words, from a
// scene or from a method's problem, with its face (what a child gets), and checked by what
// lies on the board and what is written. One file a kind.
package task

import (
	"maps"
	"slices"
	"strconv"
	"strings"
	"unicode"
	"unicode/utf8"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/mistake"
	_ "unitbloom/core/model" // the models that tasks are done with
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Task is what is set: its kind, what it is about in the kind's text form, and what the
// teacher chose. It can be marked from this alone.
type Task struct {
	Kind    string            `json:"kind"`
	About   []string          `json:"about"`
	Options map[string]string `json:"options,omitempty"`
}

// Face is what a child gets of a task, in the class's words. Nothing is in it that is held
// back: of a board with a cover only what is not covered.
type Face struct {
	Kind string `json:"kind"`
	Ask  string `json:"ask"`
	// Of is what of it is particular to this task, where others ask the same: a number, a
	// problem. Over such tasks stands Head.
	Of   string `json:"of,omitempty"`
	Head string `json:"head,omitempty"`
	// Boards are there to look at, in notation, in the order of their blanks.
	Boards []Picture `json:"boards,omitempty"`
	// Glimpse says that the boards are seen for the length of a look.
	Glimpse bool `json:"glimpse,omitempty"`
	// Lines are what is written already, with gaps.
	Lines []FaceLine `json:"lines,omitempty"`
	// Blanks are what the child gives, in order.
	Blanks []Blank `json:"blanks"`
	// Bank are what she can choose from; each is there once.
	Bank []string `json:"bank,omitempty"`
	// Pointed says that a number with a point may be meant: none is offered to those who count to a hundred.
	Pointed bool `json:"pointed,omitempty"`
}

// Picture is a board to look at.
type Picture struct {
	Board string `json:"board"`
	// Covered is what a cover lies over; nothing of it is on the board.
	Covered string `json:"covered,omitempty"`
}

// FaceLine is a line of writing: a sentence, a chain, a bond (the whole first), the row of a
// table, or one of a written method.
type FaceLine struct {
	Kind  string     `json:"kind"`
	Cells []FaceCell `json:"cells"`
}

// FaceCell is a text that stands there, or the blank in its place.
type FaceCell struct {
	Text  string `json:"text,omitempty"`
	Blank string `json:"blank,omitempty"`
	// Place is the column of a written method, and Point the sign that stands before it where
	// the line goes on behind the ones.
	Place *place.Place `json:"place,omitempty"`
	Point string       `json:"point,omitempty"`
}

// The kinds of lines.
const (
	Sentence = "sentence"
	Chain    = "chain"
	Bond     = "bond"
	Heads    = "heads"
	Row      = "row"
	// Said is what was said before, to be read.
	Said = "said"
)

// Blank is one thing that a child gives.
type Blank struct {
	ID    string `json:"id"`
	Gives string `json:"gives"`
	Label string `json:"label,omitempty"`
	// Optional is a blank that may stay empty: a mark.
	Optional bool `json:"optional,omitempty"`
}

// What a blank is given.
const (
	Numeral  = "number"
	Digits   = "digits"
	UnitForm = "units"
	Expanded = "expanded"
	InWords  = "words"
	OnBoard  = "board"
	FromBank = "bank"
	Reason   = "reason"
	// Sum is a way of seeing what lies there: 5 + 3, double 4.
	Sum = "sum"
)

// Answer is what a child gave: a text for each blank, a board in notation.
type Answer map[string]string

// Laid is a board as it lay on the way to an answer.
type Laid struct {
	Blank string `json:"blank"`
	// Board is the whole of it, in notation.
	Board string `json:"board"`
}

// Verdict is what an answer comes to. Nothing in it tells what would be right.
type Verdict struct {
	Right bool   `json:"right"`
	Parts []Part `json:"parts"`
	// Hint is a question, where something is not right yet, and At the blank that it is of.
	Hint string `json:"hint"`
	At   string `json:"at,omitempty"`
	// Mistakes are known procedures that give this answer: for the teacher.
	Mistakes []Slip `json:"mistakes"`
}

// Part is one thing that was judged.
type Part struct {
	// At is the blank, and What the condition where it is other than the value.
	At    string `json:"at"`
	What  string `json:"what,omitempty"`
	Right bool   `json:"right"`
	// Empty is a blank with nothing in it.
	Empty bool `json:"empty,omitempty"`
}

// Slip is a mistake that gives an answer.
type Slip struct {
	ID string `json:"id"`
	// As completes "as if …", and Ask lets a child see it.
	As  string `json:"as"`
	Ask string `json:"ask"`
}

// Spec is the registry's line for a kind.
type Spec struct {
	Kind, Title, Doc string
	// About shows the text form, and Sample is one that works.
	About   string
	Sample  []string
	Options []method.Option
	// Teacher says that the teacher alone can judge an answer: it is kept, and nobody is told
	// that it is right.
	Teacher bool
	// Free says that right answers are of many kinds: those are alike of which the same can be said.
	Free bool

	read func(Task) (work, error)
	// keyed reports whether a task itself holds what would be right, which its face does not: it
	// stays with whoever set it. None of a kind does where it is left out.
	keyed func(Task) bool
	// from makes a task of the kind of a scene, if there is one in it.
	from func(lesson.Scene) (Task, bool)
}

// work is a task that was read, and fits.
type work interface {
	face(say.Vocabulary) Face
	// mark judges an answer; what a child writes is in the core's numbers by then.
	mark(Answer) []Part
	// right are answers that are right, and wrong some that are not. The first right one is
	// that of the answer page.
	right() []Answer
	wrong() []Answer
	// problem is what known mistakes are looked for in, and given an answer to it.
	problem(Answer) (p mistake.Problem, given string)
}

// Specs lists the kinds: one line each.
func Specs() []Spec {
	return []Spec{build, count, read, match, fill, quick, column, steps, ways, choose, own, turns, explain}
}

// Find is the kind of a name.
func Find(kind string) (Spec, error) {
	for _, s := range Specs() {
		if s.Kind == kind {
			return s, nil
		}
	}
	var known []string
	for _, s := range Specs() {
		known = append(known, s.Kind)
	}
	return Spec{}, say.Refuse("no-task", say.Text("kind", say.Given, kind),
		say.Text("kinds", say.Name, strings.Join(known, ", ")))
}

// Make is a task of a kind, checked, with every option chosen.
func Make(t Task) (Task, error) {
	_, t, err := open(t)
	return t, err
}

// open reads a task.
func open(t Task) (work, Task, error) {
	spec, err := Find(t.Kind)
	if err != nil {
		return nil, t, err
	}
	chosen := map[string]string{}
	for _, o := range spec.Options {
		value, given := t.Options[o.Name]
		if !given && len(o.Choices) > 0 {
			value = o.Choices[0]
		}
		if len(o.Choices) > 0 && !slices.Contains(o.Choices, value) {
			return nil, t, say.Refuse("bad-option", say.Text("option", say.Given, o.Name), say.Text("value", say.Given, value),
				say.Text("choices", say.Given, strings.Join(o.Choices, ", ")))
		}
		chosen[o.Name] = value
	}
	for _, name := range slices.Sorted(maps.Keys(t.Options)) {
		if _, known := chosen[name]; !known {
			return nil, t, say.Refuse("bad-option", say.Text("option", say.Given, "an option"),
				say.Text("value", say.Given, name),
				say.Text("choices", say.Given, strings.Join(slices.Sorted(maps.Keys(chosen)), ", ")))
		}
	}
	if t.Options = nil; len(chosen) > 0 {
		t.Options = chosen
	}
	if len(t.About) == 0 {
		return nil, t, say.Refuse("task-empty", say.Text("about", say.Name, spec.About))
	}
	w, err := spec.read(t)
	return w, t, err
}

// IsOpen reports whether a device may have the task and judge an answer: nothing in it says more
// than its face does.
func IsOpen(t Task) bool {
	spec, err := Find(t.Kind)
	return err == nil && !spec.Teacher && (spec.keyed == nil || !spec.keyed(t))
}

// always is of kinds whose tasks are all keyed.
func always(Task) bool { return true }

// FaceOf is what a child gets of a task.
func FaceOf(t Task, w say.Vocabulary) (Face, error) {
	did, t, err := open(t)
	if err != nil {
		return Face{}, err
	}
	f := did.face(w)
	f.Kind = t.Kind
	f.Pointed = slices.ContainsFunc(t.About, mayHavePoint)
	for i := range f.Lines {
		for k := range f.Lines[i].Cells {
			f.Lines[i].Cells[k].Text = w.Spell(f.Lines[i].Cells[k].Text)
		}
	}
	for i := range f.Bank {
		f.Bank[i] = w.Spell(f.Bank[i])
	}
	return f, nil
}

// mayHavePoint reports whether what a task is about has to do with parts of one: a number or a place with a
// point (3.4, 5.h), a part by its name, a factor or a divisor of 10, 100 or 1,000. It is not asked of the
// answer, which a point offered would give away.
func mayHavePoint(about string) bool {
	for i := 1; i+1 < len(about); i++ {
		if next := rune(about[i+1]); about[i] == '.' && unicode.IsDigit(rune(about[i-1])) &&
			(unicode.IsDigit(next) || unicode.IsLetter(next)) {
			return true
		}
	}
	for _, part := range []string{"tenth", "hundredth", "thousandth"} {
		if strings.Contains(about, part) {
			return true
		}
	}
	for i, sign := range about {
		before, after := about[:i], about[i+utf8.RuneLen(sign):]
		if strings.ContainsRune("×÷*/", sign) && isPowerOfTen(after) ||
			strings.ContainsRune("x:", sign) && isPowerOfTen(after) && isBetween(before, after) {
			return true
		}
	}
	return false
}

// isPowerOfTen reports whether a line goes on with 10, 100 or 1,000.
func isPowerOfTen(after string) bool {
	zeros, ten := strings.CutPrefix(strings.TrimPrefix(after, " "), "10")
	rest := strings.TrimLeft(zeros, "0")
	return ten && (rest == "" || rest[0] != '.' && !unicode.IsDigit(rune(rest[0])))
}

// isBetween reports whether a letter or a colon is a sign, as in 34 : 10 and 34x10, and not in "rack 2: 10".
func isBetween(before, after string) bool {
	left := strings.TrimSuffix(before, " ")
	near := len(left) == len(before)
	return near != strings.HasPrefix(after, " ") && left != "" && unicode.IsDigit(rune(left[len(left)-1]))
}

// Start is the board that a child works on: with nothing on it, or as she goes on with it; false
// where there is none.
func Start(t Task) (board.Board, bool) {
	did, _, err := open(t)
	if b, ok := did.(interface{ start() (board.Board, error) }); ok && err == nil {
		laid, err := b.start()
		return laid, err == nil
	}
	return board.Board{}, false
}

// Right are right answers to a task, unlike one another where there is more than one; the
// first is that of the answer page.
func Right(t Task) ([]Answer, error) {
	did, _, err := open(t)
	if err != nil {
		return nil, err
	}
	return did.right(), nil
}

// Wrong are answers to a task that are not right.
func Wrong(t Task) ([]Answer, error) {
	did, _, err := open(t)
	if err != nil {
		return nil, err
	}
	return did.wrong(), nil
}

// Mark judges an answer, in the numbers that the class writes. Any arrangement that shows
// what is asked for is right.
func Mark(t Task, a Answer, w say.Vocabulary) (Verdict, error) {
	did, t, err := open(t)
	if err != nil {
		return Verdict{}, err
	}
	face := did.face(w)
	plain := Answer{}
	for at, text := range a {
		i := slices.IndexFunc(face.Blanks, func(b Blank) bool { return b.ID == at })
		if i < 0 {
			return Verdict{}, say.Refuse("no-blank", say.Text("blank", say.Given, at),
				say.Text("blanks", say.Name, strings.Join(idsOf(face.Blanks), ", ")))
		}
		if text = strings.TrimSpace(text); face.Blanks[i].Gives != OnBoard {
			text = w.Plain(text)
		}
		plain[at] = text
	}
	v := Verdict{Parts: did.mark(plain), Mistakes: []Slip{}}
	v.Right = !slices.ContainsFunc(v.Parts, func(p Part) bool { return !p.Right })
	if v.Right {
		return v, nil
	}
	secrets := secretsOf(did)
	of := asked(v.Parts)
	v.Hint, v.At = hintOf(t.Kind, of).Text(w), of.At
	if p, given := did.problem(plain); given != "" {
		for _, s := range mistake.Of(p, given) {
			slip := Slip{s.ID, s.Name.Phrase(w), s.Ask.Text(w)}
			if secrets.told(slip.Ask) {
				slip.Ask = v.Hint
			}
			v.Mistakes = append(v.Mistakes, slip)
		}
	}
	return v, nil
}

func idsOf(blanks []Blank) []string {
	ids := make([]string, len(blanks))
	for i, b := range blanks {
		ids[i] = b.ID
	}
	return ids
}

// asked is the part that a question is asked of: the first that is wrong, or, where none is, the
// first that is empty.
func asked(parts []Part) Part {
	i := slices.IndexFunc(parts, func(p Part) bool { return !p.Right && !p.Empty })
	if i < 0 {
		i = slices.IndexFunc(parts, func(p Part) bool { return !p.Right })
	}
	return parts[i]
}

// hintOf is the question that a kind asks of a part: of the condition that is not met, where its
// value is right, and of an empty one what is still to do.
func hintOf(kind string, p Part) say.Message {
	switch {
	case p.Empty:
		return say.New("task.empty.hint")
	case p.What == "":
		return say.New("task." + kind + ".hint")
	}
	return say.New("task." + kind + ".hint." + p.What)
}

// secrets are the texts of right answers that a question must not hold.
type secrets []string

func secretsOf(did work) secrets {
	var all secrets
	for _, a := range did.right() {
		for _, text := range a {
			all = append(all, text)
		}
	}
	return all
}

// told reports whether a question holds a right answer among its numbers and words.
func (s secrets) told(ask string) bool {
	words := strings.FieldsFunc(ask, func(r rune) bool { return strings.ContainsRune(" ,.?!:", r) })
	return slices.ContainsFunc(s, func(text string) bool {
		return slices.Contains(words, text) || strings.Contains(text, " ") && strings.Contains(ask, text)
	})
}

// FromScene are the tasks of some kinds that a scene gives, in the order of the kinds.
func FromScene(sc lesson.Scene, kinds []string) []Task {
	var all []Task
	for _, kind := range kinds {
		spec, err := Find(kind)
		if err != nil || spec.from == nil {
			continue
		}
		t, ok := spec.from(sc)
		if !ok {
			continue
		}
		if t, err = Make(t); err == nil {
			all = append(all, t)
		}
	}
	return all
}

// seed is the option of that name; 0 where none is chosen.
func (t Task) seed() uint64 {
	seed, _ := strconv.ParseUint(t.Options["seed"], 10, 64)
	return seed
}

// shuffled is a list in an order of chance that does not follow what it came from.
func shuffled[T any](list []T, draw func(below int) int) []T {
	list = slices.Clone(list)
	for i := len(list) - 1; i > 0; i-- {
		k := draw(i + 1)
		list[i], list[k] = list[k], list[i]
	}
	return list
}

// changed is an answer with one blank other than it was.
func changed(a Answer, at, text string) Answer {
	a = maps.Clone(a)
	a[at] = text
	return a
}

// judged is the part of a blank: empty is not right, unless it may stay so.
func judged(a Answer, at string, right bool) Part {
	return Part{At: at, Right: right && a[at] != "", Empty: a[at] == ""}
}
