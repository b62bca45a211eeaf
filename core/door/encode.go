package door

import (
	"encoding"
	"encoding/json"
	"reflect"
	"strconv"
	"strings"
	"sync"

	"unitbloom/core/board"
)

// Pieces are pieces as they are drawn, each [id, look, x, y, w, h, part, marks] in
// model units, and what is written on it when there is something.
type Pieces []board.Sprite

// MarshalJSON writes the lists.
func (list Pieces) MarshalJSON() ([]byte, error) {
	return list.append(make([]byte, 0, 2+48*len(list))), nil
}

func (list Pieces) append(out []byte) []byte {
	out = append(out, '[')
	for i := range list {
		if i > 0 {
			out = append(out, ',')
		}
		p := &list[i]
		out = strconv.AppendUint(append(out, '['), uint64(p.ID), 10)
		out = append(append(append(out, `,"`...), p.Drawing...), '"')
		for _, n := range [...]int32{p.X, p.Y, p.W, p.H, int32(p.Part), int32(p.Marks)} {
			out = strconv.AppendInt(append(out, ','), int64(n), 10)
		}
		if p.Text != "" {
			out = strconv.AppendQuote(append(out, ','), p.Text)
		}
		out = append(out, ']')
	}
	return append(out, ']')
}

func appendInts(out []byte, list []int32) []byte {
	out = append(out, '[')
	for i, n := range list {
		if i > 0 {
			out = append(out, ',')
		}
		out = strconv.AppendInt(out, int64(n), 10)
	}
	return append(out, ']')
}

// encode writes an answer as the standard library does, by ways that were made once for
// each type: the library reads over again what a MarshalJSON wrote, once for each level. With
// the library, and with fields looked up anew, a fifth of a move on a few pieces went into that.
func encode(out []byte, v reflect.Value) ([]byte, error) { return writerOf(v.Type())(out, v) }

// writer writes values of one type.
type writer func(out []byte, v reflect.Value) ([]byte, error)

var writers sync.Map // writers by type

func writerOf(t reflect.Type) writer {
	if known, ok := writers.Load(t); ok {
		return known.(writer)
	}
	made, _ := writers.LoadOrStore(t, makeWriter(t))
	return made.(writer)
}

// later is the writer of a type that is made when a value is written: a type may hold itself.
func later(t reflect.Type) func() writer {
	return sync.OnceValue(func() writer { return writerOf(t) })
}

func makeWriter(t reflect.Type) writer {
	switch {
	case t == reflect.TypeFor[Pieces]():
		return func(out []byte, v reflect.Value) ([]byte, error) { return v.Interface().(Pieces).append(out), nil }
	case t == reflect.TypeFor[[]int32]():
		return func(out []byte, v reflect.Value) ([]byte, error) {
			return appendInts(out, v.Interface().([]int32)), nil
		}
	case hasOwnForm(t):
		return byLibrary
	}
	switch t.Kind() {
	case reflect.Bool:
		return func(out []byte, v reflect.Value) ([]byte, error) { return strconv.AppendBool(out, v.Bool()), nil }
	case reflect.Int, reflect.Int8, reflect.Int16, reflect.Int32, reflect.Int64:
		return func(out []byte, v reflect.Value) ([]byte, error) { return strconv.AppendInt(out, v.Int(), 10), nil }
	case reflect.Uint16, reflect.Uint32, reflect.Uint64:
		return func(out []byte, v reflect.Value) ([]byte, error) { return strconv.AppendUint(out, v.Uint(), 10), nil }
	case reflect.String:
		return text
	case reflect.Slice:
		if t.Elem().Kind() != reflect.Uint8 {
			return listOf(later(t.Elem()))
		}
	case reflect.Struct:
		return fieldsOf(t)
	}
	return byLibrary
}

func byLibrary(out []byte, v reflect.Value) ([]byte, error) {
	raw, err := json.Marshal(v.Interface())
	return append(out, raw...), err
}

func hasOwnForm(t reflect.Type) bool {
	for _, own := range []reflect.Type{reflect.TypeFor[json.Marshaler](), reflect.TypeFor[encoding.TextMarshaler]()} {
		if t.Implements(own) || reflect.PointerTo(t).Implements(own) {
			return true
		}
	}
	return false
}

// text leaves to the library what needs a sign of its own.
func text(out []byte, v reflect.Value) ([]byte, error) {
	s := v.String()
	for i := range len(s) {
		if c := s[i]; c < ' ' || c > '~' || c == '"' || c == '\\' || c == '<' || c == '>' || c == '&' {
			return byLibrary(out, v)
		}
	}
	return append(append(append(out, '"'), s...), '"'), nil
}

func listOf(item func() writer) writer {
	return func(out []byte, v reflect.Value) ([]byte, error) {
		if v.IsNil() {
			return append(out, "null"...), nil
		}
		one := item()
		out = append(out, '[')
		for i := range v.Len() {
			if i > 0 {
				out = append(out, ',')
			}
			var err error
			if out, err = one(out, v.Index(i)); err != nil {
				return out, err
			}
		}
		return append(out, ']'), nil
	}
}

// field is one of a struct, or of one that is embedded in it.
type field struct {
	path      []int
	key       string
	omitEmpty bool
	writer    func() writer
}

func fieldsOf(t reflect.Type) writer {
	var fields []field
	for _, f := range reflect.VisibleFields(t) {
		name, options, _ := strings.Cut(f.Tag.Get("json"), ",")
		if name != "" && name != "-" {
			fields = append(fields, field{f.Index, `"` + name + `":`, options == "omitempty", later(f.Type)})
		}
	}
	return func(out []byte, v reflect.Value) (_ []byte, err error) {
		sign := byte('{')
		for i := range fields {
			f := &fields[i]
			value := v.FieldByIndex(f.path)
			if f.omitEmpty && isEmpty(value) {
				continue
			}
			out = append(append(out, sign), f.key...)
			sign = ','
			if out, err = f.writer()(out, value); err != nil {
				return out, err
			}
		}
		if sign == '{' {
			out = append(out, sign)
		}
		return append(out, '}'), nil
	}
}

func isEmpty(v reflect.Value) bool {
	switch v.Kind() {
	case reflect.Slice, reflect.Map:
		return v.Len() == 0
	case reflect.Struct:
		return false
	}
	return v.IsZero()
}
