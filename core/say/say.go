// Package say is the one catalogue of sentences that a child or a teacher reads
// or hears from the core: steps, refusals, announcements, labels. A Message is
// a template's id with typed values, so that it can follow the class's words,
// be translated, and be checked by role for giving an answer away.
package say

import (
	"fmt"
	"slices"
	"strconv"
	"strings"
	"unicode"

	"unitbloom/core/place"
)

// Role says what a value is to the question at hand.
type Role string

// The roles. A value with the role Answer never stands in a question, nor in
// what is said before the answer is revealed.
const (
	Given  Role = "given"
	Part   Role = "part"
	Amount Role = "count"
	Name   Role = "name"
	Answer Role = "answer"
)

// Value is one typed value of a message: a text, a place, or a count of a
// place's pieces ("6 ones"), which follows the class's words.
type Value struct {
	Name  string       `json:"name"`
	Role  Role         `json:"role"`
	Text  string       `json:"text,omitempty"`
	Place *place.Place `json:"place,omitempty"`
	// Form is a count of several places, when there is one.
	Form place.UnitForm `json:"form,omitempty"`
}

// Text is a value printed as it is.
func Text(name string, role Role, text string) Value {
	return Value{Name: name, Role: role, Text: text}
}

// Number is a numeral.
func Number(name string, role Role, n place.Number) Value { return Text(name, role, n.String()) }

// Int is a count without a unit.
func Int(name string, role Role, n int) Value { return Text(name, role, strconv.Itoa(n)) }

// Sum is numbers with plus signs between them, for what is not to be worked out yet: "7 + 5".
func Sum[N any](name string, role Role, addends []N) Value {
	texts := make([]string, len(addends))
	for i, n := range addends {
		texts[i] = fmt.Sprint(n)
	}
	return Text(name, role, strings.Join(texts, " + "))
}

// Pieces is a count of a place, printed "6 ones" or "1 ten".
func Pieces(name string, role Role, n int, p place.Place) Value {
	return Value{Name: name, Role: role, Text: strconv.Itoa(n), Place: &p}
}

// Form is a unit form: "1 hundred 4 tens 6 ones".
func Form(name string, role Role, u place.UnitForm) Value {
	if len(u) == 0 {
		return Pieces(name, role, 0, place.Ones)
	}
	return Value{Name: name, Role: role, Form: u}
}

// PlaceName is the name of a place: "tens", or "ten" as {name.one}.
func PlaceName(name string, p place.Place) Value { return Value{Name: name, Role: Name, Place: &p} }

// Message is a sentence of the catalogue with its values.
type Message struct {
	ID     string  `json:"id"`
	Values []Value `json:"values,omitempty"`
	// Then follows it: what is told where it might have been asked.
	Then *Message `json:"then,omitempty"`
}

// Times is the message of what was done so many times over: it counts as many times the pieces.
func (m Message) Times(n int) Message {
	m.Values = slices.Clone(m.Values)
	for i := range m.Values {
		v := &m.Values[i]
		if each, err := strconv.Atoi(v.Text); err == nil && v.Place != nil {
			v.Text = strconv.Itoa(n * each)
		}
	}
	return m
}

// And is the message with another one after it.
func (m Message) And(next Message) Message {
	switch {
	case next.IsZero():
		return m
	case m.IsZero():
		return next
	case m.Then != nil:
		next = m.Then.And(next)
	}
	m.Then = &next
	return m
}

// All are its values, with those of what follows it.
func (m Message) All() []Value {
	if m.Then == nil {
		return m.Values
	}
	return slices.Concat(m.Values, m.Then.All())
}

// Places are those that it names, but for those of an answer.
func (m Message) Places() []place.Place {
	var out []place.Place
	for _, v := range m.Values {
		if v.Place != nil && v.Role != Answer {
			out = append(out, *v.Place)
		}
	}
	return out
}

// Told is an answer as it is told where nothing was asked: without the yes or no.
func (m Message) Told() Message {
	if _, ok := catalogue[m.ID+".told"]; ok {
		m.ID += ".told"
	}
	return m
}

// New makes a message. It panics on an id that is not in the catalogue, which
// is a mistake in the program, never in its input.
func New(id string, values ...Value) Message {
	if _, ok := catalogue[id]; !ok {
		panic("say: no message " + id)
	}
	return Message{ID: id, Values: values}
}

// IsZero reports whether there is nothing to say.
func (m Message) IsZero() bool { return m.ID == "" }

// Has reports whether the message holds a value of the role.
func (m Message) Has(role Role) bool {
	for _, v := range m.Values {
		if v.Role == role {
			return true
		}
	}
	return m.Then != nil && m.Then.Has(role)
}

// Text is the sentence in the class's words. An unknown id, as from a newer
// file, prints as the id itself.
func (m Message) Text(w Vocabulary) string {
	text := m.Phrase(w)
	if _, ok := catalogue[m.ID]; !ok {
		return text
	}
	if m.Then != nil {
		text += " " + m.Then.Text(w)
	}
	return sentences(text)
}

// Phrase is the message in the class's words as a part of a sentence.
func (m Message) Phrase(w Vocabulary) string {
	if m.IsZero() {
		return ""
	}
	template, ok := catalogue[m.ID]
	if carried, other := catalogue[m.ID+".carry"]; other && w.Regroup == "carry" {
		template = carried
	}
	if !ok {
		return m.ID
	}
	if template[0] == '[' {
		_, template, _ = strings.Cut(template, "] ") // the kind of a question
	}
	var b strings.Builder
	for {
		before, rest, ok := strings.Cut(template, "{")
		b.WriteString(before)
		if !ok {
			break
		}
		name, after, _ := strings.Cut(rest, "}")
		b.WriteString(m.fill(name, w))
		template = after
	}
	return b.String()
}

func (m Message) fill(name string, w Vocabulary) string {
	if word, ok := strings.CutPrefix(name, "@"); ok {
		return w.verb(word)
	}
	if base, words, choice := strings.Cut(name, ":"); choice {
		one, many, _ := strings.Cut(words, "|")
		base = strings.TrimSuffix(base, ".count")
		if m.value(base).Text == "1" {
			return one
		}
		return many
	}
	base, form, _ := strings.Cut(name, ".")
	for _, v := range m.Values {
		if v.Name == base {
			return w.Spell(v.text(form, w))
		}
	}
	return "{" + name + "}"
}

// value is the value of a name.
func (m Message) value(name string) Value {
	for _, v := range m.Values {
		if v.Name == name {
			return v
		}
	}
	return Value{}
}

func (v Value) text(form string, w Vocabulary) string {
	switch {
	case v.Form != nil:
		return w.UnitForm(v.Form)
	case v.Place == nil:
		return v.Text
	case form == "one":
		return w.PlaceName(*v.Place, 1)
	case form == "count":
		return v.Text
	case v.Text == "":
		return w.PlaceName(*v.Place, 2)
	}
	n, _ := strconv.Atoi(v.Text)
	return v.Text + " " + w.PlaceName(*v.Place, n)
}

// sentences begins each sentence with a capital, wherever a value stands first.
func sentences(s string) string {
	s = Capital(s)
	for i := 0; i+2 < len(s); i++ {
		if (s[i] == '.' || s[i] == '!') && s[i+1] == ' ' {
			s = s[:i+2] + Capital(s[i+2:])
		}
	}
	return s
}

// Ended is a text with a full stop, where it has no sign at its end: an error as it is read.
func Ended(s string) string {
	if s == "" || strings.ContainsAny(s[len(s)-1:], ".!?:") {
		return s
	}
	return s + "."
}

// Capital is a text that begins with a capital letter.
func Capital(s string) string {
	for i, r := range s {
		return string(unicode.ToUpper(r)) + s[i+len(string(r)):]
	}
	return s
}

// Line is a sentence of a step: the catalogue's message, which follows the
// class's words, or the teacher's own text.
type Line struct {
	Message Message
	Own     string
}

// IsZero reports whether the line says nothing.
func (l Line) IsZero() bool { return l.Own == "" && l.Message.IsZero() }

// Text is the line in the class's words.
func (l Line) Text(w Vocabulary) string {
	if l.Own != "" {
		return l.Own
	}
	return l.Message.Text(w)
}

// Vocabulary are what the class calls things, chosen once for a lesson.
type Vocabulary struct {
	// What the class calls making ten of a place into one of the next, and back.
	Regroup string `json:"regroup,omitempty" jsonschema:"enum=bundle,enum=regroup,enum=exchange,enum=trade,enum=rename,enum=carry"`
	// What the class calls the ones.
	Ones string `json:"ones,omitempty" jsonschema:"enum=ones,enum=units"`
	// What the class calls a whole with its parts.
	Bond string `json:"bond,omitempty" jsonschema:"enum=number bond,enum=part-whole model"`
	// How the class reads −.
	Minus string `json:"minus,omitempty" jsonschema:"enum=minus,enum=take away,enum=less"`
	// What the class calls the subject.
	Maths string `json:"maths,omitempty" jsonschema:"enum=maths,enum=math"`
	// The names of the four blocks, smallest first, parted by commas: cube, long, flat, big cube.
	Shapes string `json:"shapes,omitempty" jsonschema:"maxLength=120"`
	// Everyday names of the columns from the ones up, parted by commas: bulbs, bags, trays, crates.
	Columns string `json:"columns,omitempty" jsonschema:"maxLength=120"`
	// How the class groups and points its numbers, shown at 4002.5.
	Numbers string `json:"numbers,omitempty" jsonschema:"enum=4002.5,enum=4\\,002.5,enum=4 002.5,enum=4002\\,5,enum=4 002\\,5"`
	// Whether the class says and after the hundreds, shown at 106.
	And string `json:"and,omitempty" jsonschema:"enum=one hundred and six,enum=one hundred six"`
	// The class's money, parted by commas: one and many of the large, then of the small: euro, euros, cent,
	// cents.
	Money string `json:"money,omitempty" jsonschema:"maxLength=120"`
}

// BondNames are the choices for Words.Bond, the default first.
var BondNames = []string{"number bond", "part-whole model"}

// MinusNames are the choices for Words.Minus, the default first.
var MinusNames = []string{"minus", "take away", "less"}

// MinusName is how the class reads −.
func (w Vocabulary) MinusName() string {
	if w.Minus == "" {
		return MinusNames[0]
	}
	return w.Minus
}

// defaultShapes are the names of the blocks from ones to thousands.
var defaultShapes = []string{"cube", "long", "flat", "big cube"}

// BondName is what the class calls a whole with its parts, to begin a label.
func (w Vocabulary) BondName() string {
	if w.Bond == "" {
		return Capital(BondNames[0])
	}
	return Capital(w.Bond)
}

// Shape is the name of the block of a place from ones to thousands.
func (w Vocabulary) Shape(p place.Place) string {
	names := commaList(w.Shapes)
	if len(names) != len(defaultShapes) {
		names = defaultShapes
	}
	switch {
	case p < place.Ones || p > place.HundredThousands:
		return ""
	case p > place.Thousands: // the shapes begin again
		return names[p-place.Thousands] + " of " + place.Thousands.Plural()
	}
	return names[p]
}

// ColumnName is the everyday name of a column, or that of its place.
func (w Vocabulary) ColumnName(p place.Place) string {
	if names := commaList(w.Columns); p >= place.Ones && int(p) < len(names) {
		return names[p]
	}
	return w.PlaceName(p, 2)
}

func commaList(s string) []string {
	var out []string
	for _, part := range strings.Split(s, ",") {
		if part = strings.TrimSpace(part); part != "" {
			out = append(out, part)
		}
	}
	return out
}

// regrouping verb: both directions, and the words that join the two sides.
type verb struct{ bundle, unbundle, into, bundled, unbundled, mark string }

var verbs = map[string]verb{
	"bundle":   {"bundle", "unbundle", "into", "bundled", "unbundled", "new"},
	"regroup":  {"regroup", "regroup", "as", "regrouped", "regrouped", "regrouped"},
	"exchange": {"exchange", "exchange", "for", "exchanged", "exchanged", "exchanged"},
	"trade":    {"trade", "trade", "for", "traded", "traded", "traded"},
	"rename":   {"rename", "rename", "as", "renamed", "renamed", "renamed"},
	"carry":    {"carry", "borrow", "as", "carried", "borrowed", "carried"},
}

// RegroupChoices lists what a class can call regrouping, the default first.
func RegroupChoices() []string {
	return []string{"bundle", "regroup", "exchange", "trade", "rename", "carry"}
}

// Validate names the first word that is not a known choice.
func (w Vocabulary) Validate() error {
	if _, ok := verbs[w.Regroup]; !ok && w.Regroup != "" {
		return fmt.Errorf("words.regroup: %q is not a choice. Use one of %s", w.Regroup, strings.Join(RegroupChoices(), ", "))
	}
	if w.Ones != "" && w.Ones != "ones" && w.Ones != "units" {
		return fmt.Errorf("words.ones: %q is not a choice. Use ones or units", w.Ones)
	}
	if w.Bond != "" && !slices.Contains(BondNames, w.Bond) {
		return fmt.Errorf("words.bond: %q is not a choice. Use %s", w.Bond, strings.Join(BondNames, " or "))
	}
	if w.Minus != "" && !slices.Contains(MinusNames, w.Minus) {
		return fmt.Errorf("words.minus: %q is not a choice. Use one of %s", w.Minus, strings.Join(MinusNames, ", "))
	}
	if w.Maths != "" && w.Maths != "maths" && w.Maths != "math" {
		return fmt.Errorf("words.maths: %q is not a choice. Use maths or math", w.Maths)
	}
	if n := len(commaList(w.Shapes)); n != 0 && n != len(defaultShapes) {
		return fmt.Errorf("words.shapes: %d names for 4 blocks. Write four, parted by commas", n)
	}
	if n := len(commaList(w.Columns)); n > 7 || len(w.Columns) > 120 || len(w.Shapes) > 120 {
		return fmt.Errorf("words.columns: %d names. Write at most seven short ones, from the ones up", n)
	}
	return w.validateSpelling()
}

func (w Vocabulary) verb(form string) string {
	v, ok := verbs[w.Regroup]
	if !ok {
		v = verbs["bundle"]
	}
	switch form {
	case "ones":
		return w.PlaceName(place.Ones, 2)
	case "point":
		return w.pointName()
	case "minus":
		return w.MinusName()
	case "bond":
		return strings.ToLower(w.BondName())
	case "bundle":
		return v.bundle
	case "unbundle":
		return v.unbundle
	case "bundled":
		return v.bundled
	case "unbundled":
		return v.unbundled
	}
	return v.into
}

// PlaceName is the name of a place for a count of n, in the class's words.
func (w Vocabulary) PlaceName(p place.Place, n int) string {
	switch {
	case p == place.Ones && w.Ones == "units" && n == 1:
		return "unit"
	case p == place.Ones && w.Ones == "units":
		return "units"
	case n == 1:
		return p.Singular()
	}
	return p.Plural()
}

// Listed names things one after another: 8, 2 and 3.
func Listed(texts []string) string {
	last := len(texts) - 1
	if last < 1 {
		return strings.Join(texts, "")
	}
	return strings.Join(texts[:last], ", ") + " and " + texts[last]
}

// Places names places from the largest to the smallest: Hundreds, tens and ones.
func (w Vocabulary) Places(top, low place.Place) string {
	var names []string
	for p := top; p >= low; p-- {
		names = append(names, w.PlaceName(p, 2))
	}
	return Capital(Listed(names))
}

// UnitForm is a unit form in the class's words.
func (w Vocabulary) UnitForm(u place.UnitForm) string {
	if len(u) == 0 {
		return "0 " + w.PlaceName(place.Ones, 0)
	}
	parts := make([]string, len(u))
	for i, c := range u {
		parts[i] = strconv.Itoa(c.Count) + " " + w.PlaceName(c.Place, c.Count)
	}
	return strings.Join(parts, " ")
}

// Refusal is a move or a request that the rules do not allow: a code for
// programs and one plain sentence for people. Nothing has changed.
type Refusal struct {
	Code    string
	Message Message
}

// Refuse makes a refusal whose code is the message's id without its prefix.
func Refuse(id string, values ...Value) *Refusal {
	return &Refusal{Code: strings.TrimPrefix(id, "refuse."),
		Message: New("refuse."+strings.TrimPrefix(id, "refuse."), values...)}
}

// Error is the sentence in the default words.
func (r *Refusal) Error() string { return r.Message.Text(Vocabulary{}) }
