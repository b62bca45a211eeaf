// Package schema makes the JSON Schema of the open format, and that of the
// core's door, from the Go types and registries. The published files, the
// TypeScript types and the validation of imports all come from here.
package schema

import (
	"encoding/json"
	"fmt"
	"reflect"
	"strings"

	"github.com/invopop/jsonschema"

	"unitbloom/core/board"
	"unitbloom/core/door"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	_ "unitbloom/core/model" // registers the models
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Lesson is the schema of a lesson file, format 1.
func Lesson() *jsonschema.Schema {
	r := reflector()
	s := r.Reflect(lesson.Lesson{})
	define(s)
	s.ID, s.Title = "", "Unit Bloom lesson, format 1"
	s.Description = "A lesson: scenes in order, each a start board and the steps from it, and the record beside them."
	return s
}

// doorTypes are what crosses the door between the core and the web.
type doorTypes struct {
	Lesson   lesson.Lesson     `json:"lesson"`
	Turned   door.Turned       `json:"turned"`
	Verb     door.Verb         `json:"verb"`
	Method   door.MethodInfo   `json:"method"`
	Plain    method.Plain      `json:"plain"`
	Reading  place.Reading     `json:"reading"`
	Became   board.Became      `json:"became"`
	Edit     lesson.Edit       `json:"edit"`
	Reached  door.Reached      `json:"reached"`
	Acts     method.Acts       `json:"acts"`
	Builds   door.Builds       `json:"builds"`
	Verdict  door.Verdict      `json:"verdict"`
	Overlay  door.Overlay      `json:"overlay"`
	Captured door.Captured     `json:"captured"`
	Model    map[string]string `json:"-"`
}

// Door is the schema of what the web exchanges with the core.
func Door() *jsonschema.Schema {
	s := reflector().Reflect(doorTypes{})
	define(s)
	s.ID, s.Title = "", "DoorTypes"
	return s
}

func reflector() *jsonschema.Reflector {
	return &jsonschema.Reflector{Anonymous: true, Mapper: mapper, RequiredFromJSONSchemaTags: false}
}

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
	case reflect.TypeFor[json.RawMessage]():
		return &jsonschema.Schema{}
	}
	if t.Name() == "rawJSON" {
		return ref("Pieces")
	}
	return nil
}

func ref(name string) *jsonschema.Schema { return &jsonschema.Schema{Ref: "#/$defs/" + name} }

// define adds the definitions that the mapper refers to.
func define(s *jsonschema.Schema) {
	s.Definitions["Place"] = placeSchema()
	s.Definitions["Line"] = &jsonschema.Schema{
		Description: "A line of a step: the teacher's own text, or a message of the catalogue, which follows the class's words.",
		OneOf:       []*jsonschema.Schema{{Type: "string", MaxLength: ptr(2000)}, ref("Message")},
	}
	s.Definitions["Pieces"] = &jsonschema.Schema{
		Description: "Pieces as drawn: [id, look, x, y, w, h, part, marks] in model units, and the text on it, if any.",
		Type:        "array", Items: &jsonschema.Schema{Type: "array"},
	}
	graft(s, say.Message{})
	graft(s, board.Cover{})
	var kinds, moves []*jsonschema.Schema
	for _, spec := range board.Specs() {
		kinds = append(kinds, graft(s, named{spec.Shape, strings.ToUpper(spec.Kind[:1]) + spec.Kind[1:]}))
		for _, mv := range spec.Moves {
			moves = append(moves, moveRef(s, spec.Kind, mv))
		}
	}
	for _, mv := range board.BoardMoves() {
		moves = append(moves, moveRef(s, "board", mv))
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
	props.Set("models", &jsonschema.Schema{Type: "array", MinItems: ptr(1), MaxItems: ptr(board.MaxModels), Items: ref("Model")})
	props.Set("titles", &jsonschema.Schema{Type: "array", MaxItems: ptr(board.MaxModels), Items: &jsonschema.Schema{Type: "string", MaxLength: ptr(200)}})
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
	props.Set("width", &jsonschema.Schema{Type: "integer", Minimum: "0", Maximum: json.Number(fmt.Sprint(board.MaxWidth)), Description: "Hundredths of an even share of the board; even when left out."})
	props.Set("linked", &jsonschema.Schema{Type: "boolean", Description: "Linked models show one number."})
	props.Set("beside", &jsonschema.Schema{Type: "array", Items: &jsonschema.Schema{Type: "string"}, Description: "Read-outs that stand beside the model."})
	props.Set("kept", &jsonschema.Schema{Type: "array", MaxItems: ptr(board.MaxKept), Items: ref("Model"), Description: "Earlier states, frozen and not counted."})
	return &jsonschema.Schema{Type: "object", Properties: props, AdditionalProperties: jsonschema.FalseSchema}
}

type named struct {
	value any
	name  string
}

// graft reflects a type into the definitions of s and returns a reference.
func graft(s *jsonschema.Schema, value any) *jsonschema.Schema {
	name := ""
	if n, ok := value.(named); ok {
		value, name = n.value, n.name
	}
	sub := reflector().Reflect(value)
	own := reflect.TypeOf(value).Name()
	for key, def := range sub.Definitions {
		if key == own && name != "" {
			key = name
		}
		s.Definitions[key] = def
	}
	if name == "" {
		name = own
	}
	return ref(name)
}

// moveRef defines one kind of move: its head and its parameters.
func moveRef(s *jsonschema.Schema, of string, mv board.MoveSpec) *jsonschema.Schema {
	name := "Move" + title(of) + title(mv.Kind)
	sub := reflector().Reflect(mv.Args)
	own := sub.Definitions[reflect.TypeOf(mv.Args).Name()]
	for key, def := range sub.Definitions {
		if key != reflect.TypeOf(mv.Args).Name() {
			s.Definitions[key] = def
		}
	}
	props := jsonschema.NewProperties()
	props.Set("kind", &jsonschema.Schema{Type: "string", Const: mv.Kind})
	props.Set("model", &jsonschema.Schema{Type: "integer", Minimum: "0", Maximum: json.Number(fmt.Sprint(board.MaxModels - 1)), Description: "Which model of the board, the first when left out."})
	for p := own.Properties.Oldest(); p != nil; p = p.Next() {
		props.Set(p.Key, p.Value)
	}
	s.Definitions[name] = &jsonschema.Schema{
		Description: mv.Doc, Type: "object", Properties: props,
		Required: append([]string{"kind"}, own.Required...), AdditionalProperties: jsonschema.FalseSchema,
	}
	return ref(name)
}

func title(s string) string { return strings.ToUpper(s[:1]) + s[1:] }

func ptr(n int) *uint64 { v := uint64(n); return &v }
