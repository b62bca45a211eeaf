package door

import (
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

// encode writes an answer as the standard library does, but for lists of pieces and of
// where they went. There may be thousands in an answer, and the library reads over
// again what a MarshalJSON wrote, once for each level: a third of the time that a class
// waits for a move.
func encode(out []byte, v reflect.Value) ([]byte, error) {
	switch x := v.Interface().(type) {
	case Pieces:
		return x.append(out), nil
	case []int32:
		return appendInts(out, x), nil
	case bool:
		return strconv.AppendBool(out, x), nil
	case int:
		return strconv.AppendInt(out, int64(x), 10), nil
	}
	if !holdsPieces(v.Type()) {
		raw, err := json.Marshal(v.Interface())
		return append(out, raw...), err
	}
	switch v.Kind() {
	case reflect.Slice:
		return encodeList(out, v)
	case reflect.Struct:
		out, err := encodeFields(append(out, '{'), v)
		return append(out, '}'), err
	default:
		panic("door: an answer holds pieces in a " + v.Kind().String())
	}
}

func encodeList(out []byte, v reflect.Value) ([]byte, error) {
	if v.IsNil() {
		return append(out, "null"...), nil
	}
	out = append(out, '[')
	for i := range v.Len() {
		if i > 0 {
			out = append(out, ',')
		}
		var err error
		if out, err = encode(out, v.Index(i)); err != nil {
			return out, err
		}
	}
	return append(out, ']'), nil
}

// encodeFields writes the fields of a struct, those of an embedded one among them.
func encodeFields(out []byte, v reflect.Value) (_ []byte, err error) {
	comma := false
	for i := range v.NumField() {
		f, value := v.Type().Field(i), v.Field(i)
		name, options, _ := strings.Cut(f.Tag.Get("json"), ",")
		if options == "omitempty" && (value.IsZero() || value.Kind() == reflect.Slice && value.Len() == 0) {
			continue
		}
		if comma {
			out = append(out, ',')
		}
		comma = true
		if !f.Anonymous {
			out = append(append(append(out, '"'), name...), `":`...)
			if out, err = encode(out, value); err != nil {
				return out, err
			}
			continue
		}
		raw, err := json.Marshal(value.Interface())
		if err != nil {
			return out, err
		}
		out = append(out, raw[1:len(raw)-1]...)
	}
	return out, nil
}

var withPieces sync.Map // of types, whether their values hold lists of pieces

// holdsPieces reports whether values of a type may hold lists of pieces.
func holdsPieces(t reflect.Type) bool {
	if known, ok := withPieces.Load(t); ok {
		return known.(bool)
	}
	holds := t == reflect.TypeFor[Pieces]()
	withPieces.Store(t, holds) // a type that holds itself ends here
	switch t.Kind() {
	case reflect.Slice, reflect.Pointer, reflect.Map:
		holds = holds || holdsPieces(t.Elem())
	case reflect.Struct:
		for i := range t.NumField() {
			holds = holdsPieces(t.Field(i).Type) || holds
		}
	}
	withPieces.Store(t, holds)
	return holds
}
