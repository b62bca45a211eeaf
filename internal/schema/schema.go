// Package schema makes the JSON Schema of the open format, and that of the
// core's door, from the Go types and registries. The published files, the
// TypeScript types and the validation of imports all come from here.
package schema

import (
	"encoding/json"
	"fmt"
	"os"
	"path"
	"path/filepath"
	"reflect"
	"strings"
	"sync"

	"github.com/invopop/jsonschema"

	"unitbloom/core/board"
	"unitbloom/core/door"
	"unitbloom/core/lesson"
	_ "unitbloom/core/model" // registers the models
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Lesson is the schema of a lesson file of the present format.
func Lesson() *jsonschema.Schema {
	s := reflector().Reflect(lesson.Lesson{})
	define(s)
	s.ID, s.Title = "", fmt.Sprintf("Unit Bloom lesson, format %d", lesson.Format)
	s.Description = "A lesson: scenes in order, each a start board and the steps from it, and the record beside them."
	return s
}

// Door is the schema of what the web exchanges with the core: for each operation the
// form of its argument and of its answer.
func Door() *jsonschema.Schema {
	s := &jsonschema.Schema{Version: jsonschema.Version, Title: "Calls", Type: "object",
		Definitions: jsonschema.Definitions{},
		Properties:  jsonschema.NewProperties(), AdditionalProperties: jsonschema.FalseSchema}
	for _, o := range door.Operations() {
		props := jsonschema.NewProperties()
		props.Set("arg", argument(s, o))
		props.Set("answer", answer(s, o.Answer))
		s.Properties.Set(o.Name, &jsonschema.Schema{Description: o.Doc, Type: "object", Properties: props,
			Required: []string{"arg", "answer"}, AdditionalProperties: jsonschema.FalseSchema})
		s.Required = append(s.Required, o.Name)
	}
	graft(s, lesson.Lesson{})
	define(s)
	// Pieces of an open board are named by their ids too.
	s.Definitions["Select"].Properties.Set("ids", &jsonschema.Schema{Type: "array",
		Items: &jsonschema.Schema{Type: "integer"}})
	return s
}

// argument is the form of an operation's argument, with the handle of an open lesson.
func argument(s *jsonschema.Schema, o door.Operation) *jsonschema.Schema {
	own := reflector().ReflectFromType(o.Arg)
	for key, def := range own.Definitions {
		if key != naming(o.Arg) {
			s.Definitions[key] = def
		}
	}
	arg := &jsonschema.Schema{Type: "object", Properties: jsonschema.NewProperties(),
		AdditionalProperties: jsonschema.FalseSchema}
	if o.OnOpen {
		arg.Properties.Set("handle", &jsonschema.Schema{Type: "integer"})
		arg.Required = append(arg.Required, "handle")
	}
	if body, ok := own.Definitions[naming(o.Arg)]; ok {
		for p := body.Properties.Oldest(); p != nil; p = p.Next() {
			arg.Properties.Set(p.Key, p.Value)
		}
		arg.Required = append(arg.Required, body.Required...)
	}
	return arg
}

func answer(s *jsonschema.Schema, t reflect.Type) *jsonschema.Schema {
	if t.Kind() == reflect.Slice {
		return &jsonschema.Schema{Type: "array", Items: answer(s, t.Elem())}
	}
	if t.Kind() != reflect.Struct {
		return reflector().ReflectFromType(t)
	}
	own := reflector().ReflectFromType(t)
	for key, def := range own.Definitions {
		s.Definitions[key] = def
	}
	return ref(naming(t))
}

func reflector() *jsonschema.Reflector {
	return &jsonschema.Reflector{Anonymous: true, Mapper: mapper, Namer: naming, CommentMap: comments()}
}

// comments are what the sources say above each field that a schema knows, on one line.
var comments = sync.OnceValue(func() map[string]string {
	here, err := os.Getwd()
	must(err)
	top := here
	for !exists(filepath.Join(top, "go.mod")) {
		if top == filepath.Dir(top) {
			panic("schemas are made where the sources are: there is no go.mod above " + here)
		}
		top = filepath.Dir(top)
	}
	up, err := filepath.Rel(here, top)
	must(err)
	down, err := filepath.Rel(top, here)
	must(err)
	found := &jsonschema.Reflector{}
	for _, folder := range []string{"core", "internal"} {
		must(found.AddGoComments(path.Join(module, filepath.ToSlash(down)), filepath.Join(up, folder),
			jsonschema.WithFullComment()))
	}
	told := map[string]string{}
	for of, text := range found.CommentMap {
		if isField(of) {
			told[of] = strings.Join(strings.Fields(text), " ")
		}
	}
	return told
})

// module is the module that the types are of.
const module = "unitbloom"

// isField tells a field, package.Type.Field, from a type.
func isField(of string) bool { return strings.Count(path.Base(of), ".") > 1 }

func exists(file string) bool {
	_, err := os.Stat(file)
	return err == nil
}

func must(err error) {
	if err != nil {
		panic(err)
	}
}

// naming gives the types of a model's own package names of their own, so that a
// model may be called as it likes.
func naming(t reflect.Type) string {
	for _, spec := range board.Specs() {
		if t.PkgPath() != "" && t.PkgPath() == reflect.TypeOf(spec.Shape).PkgPath() {
			return modelName(spec.Kind) + t.Name()
		}
	}
	return t.Name()
}

// modelName is the definition of a model. No other definition ends so.
func modelName(kind string) string { return say.Capital(kind) + "Model" }

// mapper replaces the types whose JSON form is their own.
func mapper(t reflect.Type) *jsonschema.Schema {
	switch t {
	case reflect.TypeFor[place.Place]():
		return ref("Place")
	case reflect.TypeFor[place.Number]():
		return &jsonschema.Schema{Type: "string", Pattern: `^[0-9]{1,7}(\.[0-9]{1,3})?$`}
	case reflect.TypeFor[board.Board]():
		return ref("Board")
	case reflect.TypeFor[board.Move]():
		return ref("Move")
	case reflect.TypeFor[say.Line]():
		return ref("Line")
	case reflect.TypeFor[door.Pieces]():
		return ref("Pieces")
	case reflect.TypeFor[json.RawMessage]():
		return &jsonschema.Schema{}
	}
	return nil
}

func ref(name string) *jsonschema.Schema { return &jsonschema.Schema{Ref: "#/$defs/" + name} }

// define adds the definitions that the mapper refers to.
func define(s *jsonschema.Schema) {
	s.Definitions["Place"] = placeSchema()
	s.Definitions["Line"] = &jsonschema.Schema{
		Description: "A line of a step: the teacher's own text, or a message of the catalogue, which follows the class's " +
			"words.",
		OneOf: []*jsonschema.Schema{{Type: "string", MaxLength: ptr(2000)}, ref("Message")},
	}
	s.Definitions["Pieces"] = &jsonschema.Schema{
		Description: "Pieces as drawn: [id, look, x, y, w, h, part, marks] in model units, and the text on it, if any.",
		Type:        "array", Items: &jsonschema.Schema{Type: "array"},
	}
	graft(s, say.Message{})
	graft(s, board.Cover{})
	var kinds, moves []*jsonschema.Schema
	for _, spec := range board.Specs() {
		kinds = append(kinds, modelRef(s, spec))
		for _, mv := range spec.Moves {
			moves = append(moves, moveRef(s, "MoveOf"+say.Capital(spec.Kind)+say.Capital(mv.Kind), mv))
		}
	}
	for _, mv := range board.BoardMoves() {
		moves = append(moves, moveRef(s, "MoveOnBoard"+say.Capital(mv.Kind), mv))
	}
	s.Definitions["Model"] = &jsonschema.Schema{Description: "One model, told by its kind.", OneOf: kinds}
	s.Definitions["Move"] = &jsonschema.Schema{Description: "One act, told by its kind.", AnyOf: moves}
	s.Definitions["Board"] = boardSchema()
	s.Definitions["Tile"] = tileSchema()
}

func placeSchema() *jsonschema.Schema {
	p := &jsonschema.Schema{Type: "string", Description: "A place: a power of ten."}
	for at := place.Largest; at >= place.Smallest; at-- {
		p.Enum = append(p.Enum, at.Plural())
	}
	return p
}

func boardSchema() *jsonschema.Schema {
	props := jsonschema.NewProperties()
	props.Set("models", &jsonschema.Schema{Type: "array", MinItems: ptr(1), MaxItems: ptr(board.MaxModels),
		Items: ref("Model")})
	props.Set("titles", &jsonschema.Schema{Type: "array", MaxItems: ptr(board.MaxModels),
		Items: &jsonschema.Schema{Type: "string", MaxLength: ptr(200)}})
	props.Set("tiles", &jsonschema.Schema{
		Type: "array", MaxItems: ptr(board.MaxModels), Items: ref("Tile"),
		Description: "What surrounds each model; left out when there is nothing.",
	})
	props.Set("covers", &jsonschema.Schema{Type: "array", Items: ref("Cover")})
	return &jsonschema.Schema{
		Description: "One to four models side by side, with the covers over them.",
		Type:        "object", Properties: props, Required: []string{"models"}, AdditionalProperties: jsonschema.FalseSchema,
	}
}

func tileSchema() *jsonschema.Schema {
	props := jsonschema.NewProperties()
	props.Set("width", &jsonschema.Schema{Type: "integer", Minimum: "0", Maximum: json.Number(fmt.Sprint(board.MaxWidth)),
		Description: "Hundredths of an even share of the board; even when left out."})
	props.Set("linked", &jsonschema.Schema{Type: "boolean", Description: "Linked models show one number."})
	props.Set("beside", &jsonschema.Schema{Type: "array", Items: &jsonschema.Schema{Type: "string"},
		Description: "Read-outs that stand beside the model."})
	props.Set("kept", &jsonschema.Schema{Type: "array", MaxItems: ptr(board.MaxKept), Items: ref("Model"),
		Description: "Earlier states, frozen and not counted."})
	return &jsonschema.Schema{Type: "object", Properties: props, AdditionalProperties: jsonschema.FalseSchema}
}

// graft reflects a type into the definitions of s.
func graft(s *jsonschema.Schema, value any) {
	for key, def := range reflector().Reflect(value).Definitions {
		s.Definitions[key] = def
	}
}

// modelRef defines the file form of a model.
func modelRef(s *jsonschema.Schema, spec board.ModelSpec) *jsonschema.Schema {
	own := naming(reflect.TypeOf(spec.Shape))
	for key, def := range reflector().Reflect(spec.Shape).Definitions {
		if key == own {
			key = modelName(spec.Kind)
		}
		s.Definitions[key] = def
	}
	return ref(modelName(spec.Kind))
}

// moveRef defines one kind of move: its head and its parameters.
func moveRef(s *jsonschema.Schema, name string, mv board.MoveSpec) *jsonschema.Schema {
	args := naming(reflect.TypeOf(mv.Args))
	sub := reflector().Reflect(mv.Args)
	own := sub.Definitions[args]
	for key, def := range sub.Definitions {
		if key != args {
			s.Definitions[key] = def
		}
	}
	props := jsonschema.NewProperties()
	props.Set("kind", &jsonschema.Schema{Type: "string", Const: mv.Kind})
	props.Set("model", &jsonschema.Schema{Type: "integer", Minimum: "0",
		Maximum:     json.Number(fmt.Sprint(board.MaxModels - 1)),
		Description: "Which model of the board, the first when left out."})
	for p := own.Properties.Oldest(); p != nil; p = p.Next() {
		props.Set(p.Key, p.Value)
	}
	s.Definitions[name] = &jsonschema.Schema{
		Description: mv.Doc, Type: "object", Properties: props,
		Required: append([]string{"kind"}, own.Required...), AdditionalProperties: jsonschema.FalseSchema,
	}
	return ref(name)
}

func ptr(n int) *uint64 { v := uint64(n); return &v }
