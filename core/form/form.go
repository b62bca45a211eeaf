// Package form reads and writes the JSON of files: strictly, so that a field with
// a wrong name is told rather than dropped; within the limits that stand in the
// tags of the Go types; and keeping the fields of a later minor as they came.
package form

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"maps"
	"reflect"
	"slices"
	"strings"
)

// Extra are the fields of an object that this version does not know. They are
// written again as they came.
type Extra map[string]json.RawMessage

// Names are the fields that it holds, in order.
func (e Extra) Names() []string { return slices.Sorted(maps.Keys(e)) }

// UnknownField is a field that a form does not have.
type UnknownField string

// Error quotes the field.
func (f UnknownField) Error() string { return "there is no field " + Quote(string(f)) }

// Read reads an object and refuses fields that its type does not have, at any
// depth; those named in but are passed over.
func Read(raw []byte, into any, but ...string) error {
	if len(but) == 0 {
		return strict(raw, into)
	}
	var fields map[string]json.RawMessage
	if err := json.Unmarshal(raw, &fields); err != nil {
		return err
	}
	l := Of(reflect.TypeOf(into).Elem())
	over := false
	for name := range fields {
		if slices.Contains(but, name) && !slices.Contains(l.names, name) {
			delete(fields, name)
			over = true
		}
	}
	for _, name := range slices.Sorted(maps.Keys(fields)) {
		if !slices.Contains(l.names, name) {
			return UnknownField(name)
		}
	}
	if !l.deep {
		return json.Unmarshal(raw, into)
	}
	if !over {
		return strict(raw, into)
	}
	rest, err := json.Marshal(fields)
	if err != nil {
		return err
	}
	return strict(rest, into)
}

// Keep reads an object; the fields that its type does not have are given back.
// Within its fields it is as strict as Read.
func Keep(raw []byte, into any) (Extra, error) {
	err := strict(raw, into)
	var unknown UnknownField
	if !errors.As(err, &unknown) {
		return nil, err
	}
	var fields map[string]json.RawMessage
	if err := json.Unmarshal(raw, &fields); err != nil {
		return nil, err
	}
	extra := Extra{}
	t := reflect.TypeOf(into).Elem()
	known := Fields(t)
	for name, value := range fields {
		if !slices.Contains(known, name) {
			extra[name] = Compact(value)
			delete(fields, name)
		}
	}
	rest, err := json.Marshal(fields)
	if err != nil {
		return nil, err
	}
	reflect.ValueOf(into).Elem().SetZero()
	return extra, strict(rest, into)
}

// Compact is JSON of its own, without spaces between its values.
func Compact(raw []byte) json.RawMessage {
	var b bytes.Buffer
	b.Grow(len(raw))
	if json.Compact(&b, raw) != nil {
		return slices.Clone(raw)
	}
	return b.Bytes()
}

func strict(raw []byte, into any) error {
	d := json.NewDecoder(bytes.NewReader(raw))
	d.DisallowUnknownFields()
	err := d.Decode(into)
	if err == nil {
		return nil
	}
	// The standard library has no type for this error.
	if name, ok := strings.CutPrefix(err.Error(), "json: unknown field "); ok {
		return UnknownField(strings.Trim(name, `"`))
	}
	return err
}

// Write is the JSON of a value with the fields that came with it.
func Write(value any, extra Extra) ([]byte, error) {
	raw, err := JSON(value)
	if err != nil || len(extra) == 0 {
		return raw, err
	}
	own := raw[1 : len(raw)-1]
	out := append([]byte{'{'}, own...)
	for _, name := range extra.Names() {
		if len(out) > 1 {
			out = append(out, ',')
		}
		key, err := json.Marshal(name)
		if err != nil {
			return nil, err
		}
		out = append(append(append(out, key...), ':'), extra[name]...)
	}
	return append(out, '}'), nil
}

// Fields are the names of a struct's fields in JSON, in order.
func Fields(t reflect.Type) []string {
	var names []string
	for i := range t.NumField() {
		f := t.Field(i)
		name, _, _ := strings.Cut(f.Tag.Get("json"), ",")
		switch {
		case f.Anonymous && name == "":
			names = append(names, Fields(f.Type)...)
		case name == "-" || !f.IsExported():
		default:
			names = append(names, name)
		}
	}
	return names
}

// Plain words the errors of encoding/json for people, as a fault with its path.
func Plain(err error) error {
	var te *json.UnmarshalTypeError
	var se *json.SyntaxError
	var unknown UnknownField
	switch {
	case errors.As(err, &te):
		return Fault{fileWords(te.Field), "this is not what belongs here (" + te.Value + ")"}
	case errors.As(err, &se):
		return Fault{"file", fmt.Sprintf("this is not JSON, at byte %d", se.Offset)}
	case errors.As(err, &unknown):
		return err
	case strings.Contains(err.Error(), "unexpected end"), strings.Contains(err.Error(), "unexpected EOF"):
		return Fault{"file", "it ends too early"}
	}
	return err
}

// fileWords is a path without the names of embedded Go types, which begin with a
// capital or with "plain".
func fileWords(path string) string {
	parts := strings.Split(path, ".")
	return strings.Join(slices.DeleteFunc(parts, func(p string) bool {
		return strings.HasPrefix(p, "plain") || p != "" && p[0] >= 'A' && p[0] <= 'Z'
	}), ".")
}

// Bytes is how long the fields are in JSON.
func (e Extra) Bytes() int {
	n := 0
	for name, value := range e {
		n += len(name) + len(value) + 4
	}
	return n
}
