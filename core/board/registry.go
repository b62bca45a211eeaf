package board

import (
	"encoding/json"
	"errors"
	"fmt"
	"reflect"
	"slices"
	"strings"

	"unitbloom/core/form"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// ModelSpec is all that the rest of the product knows of a model kind.
type ModelSpec struct {
	Kind  string
	Title string
	// Noun is the model in a sentence: "rack".
	Noun string
	// Names are other names by which a teacher may call it: "ten frames".
	Names []string
	Doc   string
	// Moves are the model's own moves; Empties is the kind of the one that puts all
	// pieces away.
	Moves   []MoveSpec
	Empties string
	// New is the model's first state.
	New func(*IDs) Model
	// Most is the largest whole number that it shows; 0 where it shows every number
	// that there is.
	Most int
	// Empty is the model in notation with nothing on it and room for a whole number.
	Empty func(most int) string
	// Lay are the moves that put so many pieces of a place beside what is there, as
	// an addend, or as none with 0.
	Lay func(count int, p place.Place, part int) []Move
	// Split are the moves that do the same with one piece at a time; none where the
	// move is one act. Of a move of many pieces there may be fewer than all.
	Split func(Model, Move) []Move
	// Acts are what a class sees done with it.
	Acts Acts
	// Ring rings pieces by their slots, counted from 0 as they are read; with beside,
	// the rings that are there stay.
	Ring func(m Model, slots []int, beside bool) Move
	// Check says what of the model its file form does not take; nil where every
	// value of it can be kept.
	Check func(Model) error
	// Decode reads the model's JSON form.
	Decode func(json.RawMessage, *IDs) (Model, error)
	// Shape is an empty value of the JSON form, for the schema.
	Shape any
	// Layout gives every piece a rectangle in model units, in a room that may say how wide
	// columns and how high rows are to be; it tells what it took of each.
	Layout func(Model, Room) Layout
	// ReadOuts are the model's own, beside those that every number has. They are
	// told what is covered; the board keeps back those that are not Safe.
	ReadOuts func(m Model, w say.Vocabulary, covers []Covering) []ReadOut
	// Parts are the parts of the model's whole in the order they lie, for the
	// bond; nil when it shows none.
	Parts func(Model) []place.Number
	// Counting is the pieces in play in the order in which a class counts them.
	Counting func(Model) []Counted
	// Follow brings a linked model to a number, by the difference.
	Follow func(Model, place.UnitForm, *Tx) (Model, error)
	// Written is the column method as it follows what was done with the model; nil where
	// none does.
	Written func(Model) []Cell
	// AllWays is a model of all ways to make this one's number of two parts, to stand
	// beside it; nil where it shows none.
	AllWays func(Model, *Tx) (Model, error)
	// Offers are the verbs that a selection of pieces might carry.
	Offers func(Model, []PieceID) []Offer
	// Find gives the ids of the pieces that a selector means.
	Find func(Model, Select) []PieceID
	// Parse and Print are the text notation, without the kind word. Parse of
	// Print is Canonical.
	Parse     func(string, *IDs) (Model, error)
	Print     func(Model) string
	Canonical func(Model) Model
	// Examples are boards of the model in notation, for docs and tests.
	Examples []string
}

// Select says which pieces a saved thing means: a place, a state, a part, and
// how many, lowest slots first, or exactly which slots. A slot counts the
// pieces of that place and state from 0, in the order they lie.
type Select struct {
	// The place of the pieces.
	Place place.Place `json:"place" jsonschema:"required"`
	// Where the pieces are; in play when left out.
	State string `json:"state,omitempty" jsonschema:"enum=play,enum=crossed,enum=taken,enum=spent,enum=copy,enum=any"`
	// Only pieces of this addend; 0 is pieces of none.
	Part *int `json:"part,omitempty" jsonschema:"minimum=0,maximum=4"`
	// How many, lowest slots first; all when left out.
	Count int `json:"count,omitempty" jsonschema:"minimum=0,maximum=3000"`
	// Exactly these slots.
	Slots []int     `json:"slots,omitempty"`
	IDs   []PieceID `json:"ids,omitempty" jsonschema:"-" form:"session"`
}

// Cell is a sign of the written column method that follows a model, and the pieces that
// it stands for. The sign's own column has no place.
type Cell struct {
	Row    string
	Place  *place.Place
	Text   string
	Stands []Select
}

// Offer is a verb for a selection with the move that it would make.
type Offer struct {
	Label say.Message
	Move  Move
}

// Counted is one piece as it is counted aloud, and the number reached with it.
type Counted struct {
	ID   PieceID
	Part int
	Upto place.Number
}

// ReadOut is one thing that a model says.
type ReadOut struct {
	ID    string
	Label string
	Text  string
	// Safe says that the text gives nothing away that is under a cover.
	Safe bool
	// Whole and Parts are those of a bond.
	Whole string
	Parts []string
}

// Law is what a move does to the total of its model.
type Law struct {
	Kind  LawKind
	Value place.Number
	// Power is the power of ten of a Scales, and how many places up a Renames
	// brings the unit.
	Power int
}

// LawKind names a law.
type LawKind string

// The laws.
const (
	Keeps   LawKind = "keeps"
	Adds    LawKind = "adds"
	Takes   LawKind = "takes"
	Sets    LawKind = "sets"
	Scales  LawKind = "scales"
	Renames LawKind = "renames the unit"
	Looks   LawKind = "looks only"
)

// Holds reports whether the totals before and after a move fit the law.
func (l Law) Holds(before, after place.Number) bool {
	want := before
	var err error
	switch l.Kind {
	case Adds:
		want, err = before.Add(l.Value)
	case Takes:
		want, err = before.Sub(l.Value)
	case Sets:
		want = l.Value
	case Scales, Renames:
		want, err = before.Shift(l.Power)
	}
	return err == nil && want == after
}

// MoveSpec is one kind of move, with its law and how it is made.
type MoveSpec struct {
	Kind string
	Doc  string
	// Laws are the laws that the move can have, for the docs.
	Laws []LawKind
	// Args is an empty value of the move's parameters.
	Args any
	// Board and Example are a board in notation and a move that works on it, after
	// the moves Before.
	Board   string
	Before  []Move
	Example any

	// What it does, with its parameters read: args is of the type of Args. Where
	// saved is nil, a move is saved as it is.
	ofModel bool
	limits  *form.Limits
	apply   func(b Board, model int, args any, t *Tx) (Board, error)
	law     func(b Board, model int, args any) (Law, error)
	saved   func(b Board, model int, args any) (any, error)
}

// Param is one parameter of a move, as it is told to people and programs.
type Param struct {
	Name     string   `json:"name"`
	Type     string   `json:"type"`
	Choices  []string `json:"choices,omitempty"`
	Required bool     `json:"required"`
}

// Params lists the move's parameters in order.
func (s MoveSpec) Params() []Param {
	params := []Param{}
	t := reflect.TypeOf(s.Args)
	for i := range t.NumField() {
		f := t.Field(i)
		name, _, _ := strings.Cut(f.Tag.Get("json"), ",")
		p := Param{Name: name, Type: plainType(f.Type)}
		for _, part := range strings.Split(f.Tag.Get("jsonschema"), ",") {
			if choice, ok := strings.CutPrefix(part, "enum="); ok {
				p.Choices = append(p.Choices, choice)
			}
			p.Required = p.Required || part == "required"
		}
		params = append(params, p)
	}
	return params
}

// Rule is how a model of type M makes a move with parameters A.
type Rule[M Model, A any] struct {
	Kind    string
	Doc     string
	Laws    []LawKind
	Law     func(M, A) (Law, error)
	Apply   func(M, A, *Tx) (M, error)
	Saved   func(M, A) (A, error)
	Board   string
	Before  []Move
	Example A
}

// Spec turns a rule into the registry's form.
func (r Rule[M, A]) Spec() MoveSpec { return specOf(reflect.ValueOf(r)) }

// specOf is the line of a move that does what the functions of a rule say to one
// model of a board. They are read and called without their types: code of its own
// for each pair of model and parameters would make the browser's core an eighth
// larger.
func specOf(rule reflect.Value) MoveSpec {
	told := func(name string) any { return rule.FieldByName(name).Interface() }
	apply, law, saved := rule.FieldByName("Apply"), rule.FieldByName("Law"), rule.FieldByName("Saved")
	s := MoveSpec{Kind: told("Kind").(string), Doc: told("Doc").(string), Laws: told("Laws").([]LawKind),
		Args:  reflect.Zero(rule.FieldByName("Example").Type()).Interface(),
		Board: told("Board").(string), Before: told("Before").([]Move), Example: told("Example"), ofModel: true}
	s.apply = func(b Board, model int, args any, t *Tx) (Board, error) {
		m, err := form.Call(apply, b.Models[model], args, t)
		if err != nil {
			return b, err
		}
		return b.with(model, m.(Model)), nil
	}
	always := Law{Kind: s.Laws[0]}
	s.law = func(b Board, model int, args any) (Law, error) {
		if law.IsNil() {
			return always, nil
		}
		l, err := form.Call(law, b.Models[model], args)
		return l.(Law), err
	}
	if !saved.IsNil() {
		s.saved = func(b Board, model int, args any) (any, error) { return form.Call(saved, b.Models[model], args) }
	}
	return s
}

var models []ModelSpec

// moveTables finds a model's move by the kinds of both, boardTable a move that
// every board has.
var (
	moveTables = map[string]map[string]*MoveSpec{}
	boardTable map[string]*MoveSpec
)

func tableOf(moves []MoveSpec) map[string]*MoveSpec {
	table := make(map[string]*MoveSpec, len(moves))
	for i := range moves {
		moves[i].limits = form.Of(reflect.TypeOf(moves[i].Args))
		table[moves[i].Kind] = &moves[i]
	}
	return table
}

// Use adds models to the registry. It is called once, by core/model.
func Use(specs ...ModelSpec) {
	models = append(models, specs...)
	for _, spec := range specs {
		moveTables[spec.Kind] = tableOf(spec.Moves)
	}
}

// With registers one more model until the function that it returns is called. It is
// for tests of what the registry holds, which have the registry to themselves: none of them is
// parallel to another.
func With(spec ModelSpec) (remove func()) {
	before := models
	Use(spec)
	return func() {
		models = before
		delete(moveTables, spec.Kind)
	}
}

// Specs lists the models of the registry in order.
func Specs() []ModelSpec { return models }

// BoardMoves lists the moves that any board has.
func BoardMoves() []MoveSpec { return boardMoves }

// SpecOf finds a model kind.
func SpecOf(kind string) (ModelSpec, bool) {
	for i := range models { // a spec is long: no copy is made of those that are not meant
		if models[i].Kind == kind {
			return models[i], true
		}
	}
	return ModelSpec{}, false
}

func kindsList() string {
	var kinds []string
	for _, s := range models {
		kinds = append(kinds, s.Kind)
	}
	return strings.Join(kinds, ", ")
}

// Move is one act, as data. Its JSON form is its parameters with the kind and,
// when it is not the first, the model: {"kind":"bundle","place":"ones"}.
type Move struct {
	Kind  string
	Model int
	// Args is the move's parameter struct, or nil when Raw still waits to be
	// read by the model that it turns out to be for.
	Args any
	raw  json.RawMessage
}

type moveHead struct {
	Kind  string `json:"kind"`
	Model int    `json:"model,omitempty"`
}

// MarshalJSON writes the head and the parameters as one object.
func (mv Move) MarshalJSON() ([]byte, error) {
	if mv.Args == nil && mv.raw != nil {
		return mv.raw, nil
	}
	head, err := form.JSON(moveHead{mv.Kind, mv.Model})
	if err != nil || mv.Args == nil {
		return head, err
	}
	args, err := form.JSON(mv.Args)
	if err != nil || len(args) == 2 {
		return head, err
	}
	return append(append(head[:len(head)-1], ','), args[1:]...), nil
}

// UnmarshalJSON reads the head and keeps the parameters for Apply, which knows
// the model.
func (mv *Move) UnmarshalJSON(b []byte) error {
	var head moveHead
	if err := json.Unmarshal(b, &head); err != nil {
		return fmt.Errorf("a move is an object with a kind: %w", err)
	}
	if head.Kind == "" {
		return fmt.Errorf("kind: a move needs a kind, like \"bundle\"")
	}
	*mv = Move{Kind: head.Kind, Model: head.Model, raw: form.Compact(b)}
	return nil
}

// Typed is the move with the numbers that a person types into it, its amount or its
// number, read from the form in which her class writes them.
func (mv Move) Typed(read func(string) string) Move {
	args := reflect.ValueOf(mv.Args)
	if args.Kind() != reflect.Struct {
		return mv
	}
	changed := reflect.New(args.Type()).Elem()
	changed.Set(args)
	for _, name := range []string{"Amount", "Number"} {
		if f := changed.FieldByName(name); f.IsValid() && f.Kind() == reflect.String {
			f.SetString(read(f.String()))
		}
	}
	mv.Args = changed.Interface()
	return mv
}

// argsLike reads the parameters, of the type of zero, strictly: an unknown or
// ill-typed field is refused by its name.
func (mv Move) argsLike(zero any) (any, error) {
	want := reflect.TypeOf(zero)
	if mv.raw == nil {
		switch {
		case mv.Args == nil:
			return zero, nil
		case reflect.TypeOf(mv.Args) == want:
			return mv.Args, nil
		}
		return zero, BadField(mv.Kind, "these are not its parameters")
	}
	args := reflect.New(want)
	if err := form.Read(mv.raw, args.Interface(), "kind", "model"); err != nil {
		return zero, fieldError(mv.Kind, want, err)
	}
	return args.Elem().Interface(), nil
}

func fieldError(kind string, t reflect.Type, err error) error {
	var te *json.UnmarshalTypeError
	var unknown form.UnknownField
	switch {
	case errors.As(err, &te) && te.Field != "":
		return BadField(te.Field, fmt.Sprintf("this must be %s, not %s", plainType(te.Type), plainValue(te.Value)))
	case errors.As(err, &unknown):
		return BadField(form.Cut(string(unknown)), "there is no such field. Those of "+kind+" are "+orNone(form.Fields(t)))
	}
	return BadField(kind, err.Error())
}

// plainValue is a JSON value in the file's words.
func plainValue(v string) string {
	kind, number, _ := strings.Cut(v, " ")
	switch kind {
	case "number":
		return strings.TrimSpace("the number " + number)
	case "bool":
		return "true or false"
	case "string":
		return "a text"
	case "array":
		return "a list"
	case "object":
		return "an object"
	}
	return v
}

func plainType(t reflect.Type) string {
	if t == reflect.TypeFor[place.Place]() {
		return "a place"
	}
	switch t.Kind() {
	case reflect.Pointer:
		return plainType(t.Elem())
	case reflect.Int, reflect.Uint32, reflect.Uint8:
		return "a whole number"
	case reflect.Bool:
		return "true or false"
	case reflect.Slice:
		return "a list"
	case reflect.Struct:
		return "an object"
	}
	return "a text"
}

func orNone(names []string) string {
	if len(names) == 0 {
		return "none"
	}
	return strings.Join(names, ", ")
}

// Called reports whether a teacher may call the model by a name, in small letters.
func (s ModelSpec) Called(name string) bool {
	return name == s.Kind || name == s.Noun || name == strings.ToLower(s.Title) || slices.Contains(s.Names, name)
}
