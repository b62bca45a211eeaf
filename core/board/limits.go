package board

import (
	"fmt"
	"reflect"
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/place"
	"unitbloom/core/say"
)

// The limits of a file form stand once, in the tags of its Go types: the schema
// is made from them, and the core holds what it reads and keeps to them, so that
// what can be kept can always be read again.

// Limits are those of one Go type, read from its tags.
type Limits struct {
	fields []fieldLimits
	elem   *Limits // of a list's items
}

type fieldLimits struct {
	name              string
	index             int
	omitEmpty         bool
	required          bool
	least, most       *int
	minItems, maxItem int
	maxLength         int // -1 where there is none
	choices           []string
	inner             *Limits
}

// LimitsOf reads the limits of a struct, or of a list of structs.
func LimitsOf(t reflect.Type) *Limits {
	switch t.Kind() {
	case reflect.Pointer:
		return LimitsOf(t.Elem())
	case reflect.Slice, reflect.Array:
		if inner := LimitsOf(t.Elem()); inner != nil {
			return &Limits{elem: inner}
		}
		return nil
	case reflect.Struct:
	default:
		return nil
	}
	l := &Limits{}
	for i := range t.NumField() {
		f := t.Field(i)
		name, options, _ := strings.Cut(f.Tag.Get("json"), ",")
		if name == "-" || !f.IsExported() {
			continue
		}
		l.fields = append(l.fields, limitsOfField(f, i, name, options == "omitempty"))
	}
	return l
}

func limitsOfField(f reflect.StructField, index int, name string, omitEmpty bool) fieldLimits {
	x := fieldLimits{name: name, index: index, omitEmpty: omitEmpty, maxItem: -1, maxLength: -1}
	if !hasOwnForm(f.Type) {
		x.inner = LimitsOf(f.Type)
	}
	for _, part := range strings.Split(f.Tag.Get("jsonschema"), ",") {
		key, value, _ := strings.Cut(part, "=")
		n, _ := strconv.Atoi(value)
		switch key {
		case "required":
			x.required = true
		case "minimum":
			x.least = &n
		case "maximum":
			x.most = &n
		case "minItems":
			x.minItems = n
		case "maxItems":
			x.maxItem = n
		case "maxLength":
			x.maxLength = n
		case "enum":
			x.choices = append(x.choices, value)
		}
	}
	return x
}

// hasOwnForm reports whether a type writes its own JSON and checks it on the way.
func hasOwnForm(t reflect.Type) bool {
	if t.Kind() == reflect.Pointer {
		t = t.Elem()
	}
	return t == reflect.TypeFor[place.Place]() || t == reflect.TypeFor[place.Number]() || t == reflect.TypeFor[Board]() || t == reflect.TypeFor[Move]()
}

// Fault is the first limit that the value breaks: the path of the field in the
// file's words, and what is wrong with it.
func (l *Limits) Fault(value any) (path, reason string) {
	return l.fault(reflect.ValueOf(value))
}

func (l *Limits) fault(v reflect.Value) (path, reason string) {
	if l == nil {
		return "", ""
	}
	if v.Kind() == reflect.Pointer {
		if v.IsNil() {
			return "", ""
		}
		v = v.Elem()
	}
	if l.elem != nil {
		for i := range v.Len() {
			if path, reason = l.elem.fault(v.Index(i)); reason != "" {
				return fmt.Sprintf("[%d]", i) + dotted(path), reason
			}
		}
		return "", ""
	}
	for i := range l.fields {
		f := &l.fields[i]
		if path, reason = f.fault(v.Field(f.index)); reason != "" {
			if path == "" || path[0] == '[' {
				return f.name + path, reason
			}
			return f.name + "." + path, reason
		}
	}
	return "", ""
}

func dotted(path string) string {
	if path == "" {
		return ""
	}
	return "." + path
}

func (f *fieldLimits) fault(v reflect.Value) (path, reason string) {
	if v.Kind() == reflect.Pointer {
		if v.IsNil() {
			return "", ""
		}
		v = v.Elem()
	} else if f.omitEmpty && (v.IsZero() || v.Kind() == reflect.Slice && v.Len() == 0) {
		return "", ""
	}
	switch v.Kind() {
	case reflect.Int, reflect.Int8, reflect.Int16, reflect.Int32, reflect.Int64:
		if reason := f.number(int(v.Int())); reason != "" {
			return "", reason
		}
	case reflect.String:
		if reason := f.text(v.String()); reason != "" {
			return "", reason
		}
	case reflect.Slice:
		switch {
		case v.IsNil() && !f.omitEmpty:
			return "", "it is missing"
		case v.Len() < f.minItems:
			return "", fmt.Sprintf("it has %d, and at least %d are needed", v.Len(), f.minItems)
		case f.maxItem >= 0 && v.Len() > f.maxItem:
			return "", fmt.Sprintf("%d are too many; it holds %d", v.Len(), f.maxItem)
		}
	}
	return f.inner.fault(v)
}

func (f *fieldLimits) number(n int) string {
	switch {
	case f.choices != nil && !slices.Contains(f.choices, strconv.Itoa(n)):
		return fmt.Sprintf("%d is not %s", n, orList(f.choices))
	case f.least != nil && n < *f.least:
		return fmt.Sprintf("%d is less than %d", n, *f.least)
	case f.most != nil && n > *f.most:
		return fmt.Sprintf("%d is more than %d", n, *f.most)
	}
	return ""
}

func (f *fieldLimits) text(s string) string {
	switch {
	case f.choices != nil && !slices.Contains(f.choices, s):
		return fmt.Sprintf("%s is not %s", Quote(s), orList(f.choices))
	case f.maxLength >= 0 && len(s) > f.maxLength && len([]rune(s)) > f.maxLength:
		return fmt.Sprintf("it has more than %d letters", f.maxLength)
	}
	return ""
}

func orList(choices []string) string {
	if len(choices) == 1 {
		return choices[0]
	}
	return strings.Join(choices[:len(choices)-1], ", ") + " or " + choices[len(choices)-1]
}

// maxQuote is how much of an input a fault repeats.
const maxQuote = 200

// Quote is a text in quotation marks, cut where it is long: what is wrong with a
// large file is told in a short sentence.
func Quote(s string) string {
	return strconv.Quote(cut(s))
}

// cut is a text of at most maxQuote letters.
func cut(s string) string {
	if len(s) <= maxQuote {
		return s
	}
	return strings.ToValidUTF8(s[:maxQuote], "") + "…"
}

// checkArgs refuses parameters that a file could not hold, though the move's own
// rule had nothing against them.
func (s *MoveSpec) checkArgs(args any) error {
	if path, reason := s.limits.Fault(args); reason != "" {
		return BadField(path, reason)
	}
	return nil
}

// check refuses a board that could not be kept: a number out of range, more pieces
// than a board holds, or what a model's own file form does not take.
func (b Board) check() error {
	if n := b.Pieces(); n > MaxPieces {
		return say.Refuse("too-many-pieces", say.Int("n", say.Given, n), say.Int("limit", say.Given, MaxPieces))
	}
	for _, m := range b.Models {
		if _, err := m.InPlay().Total(); err != nil {
			return say.Refuse("number-range", say.Number("most", say.Given, place.Max))
		}
		spec, _ := SpecOf(m.Kind())
		if spec.Check == nil {
			continue
		}
		if err := spec.Check(m); err != nil {
			return say.Refuse("cannot-keep", say.Text("why", say.Given, err.Error()))
		}
	}
	return nil
}
