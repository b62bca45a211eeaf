package form

import (
	"fmt"
	"reflect"
	"slices"
	"strconv"
	"strings"
	"sync"
)

// Fault is one thing wrong with a document: where, in the file's words, and what.
type Fault struct {
	Path   string `json:"path"`
	Reason string `json:"reason"`
}

// Error is the fault as one line.
func (f Fault) Error() string { return f.Path + ": " + f.Reason }

// Limits are those of one Go type, read from its tags: the schema is made from the
// same ones, so that they stand once.
type Limits struct {
	fields []fieldLimits
	elem   *Limits  // of a list's items
	names  []string // of all fields in JSON
	deep   bool     // a field holds objects
}

type fieldLimits struct {
	name                 string
	index                int
	omitEmpty            bool
	session              bool // only while a document is open: never in a file
	least, most          *int
	minItems, maxItems   int // -1 where there is no most
	minLength, maxLength int
	choices              []string
	inner                *Limits
}

var read sync.Map // *Limits by type

// Of is the limits of a struct, or of a list of structs, read once.
func Of(t reflect.Type) *Limits {
	if known, ok := read.Load(t); ok {
		return known.(*Limits)
	}
	l := limitsOf(t)
	read.Store(t, l)
	return l
}

func limitsOf(t reflect.Type) *Limits {
	switch t.Kind() {
	case reflect.Pointer:
		return limitsOf(t.Elem())
	case reflect.Slice, reflect.Array:
		if inner := limitsOf(t.Elem()); inner != nil {
			return &Limits{elem: inner}
		}
		return nil
	case reflect.Struct:
	default:
		return nil
	}
	l := &Limits{names: Fields(t)}
	for i := range t.NumField() {
		f := t.Field(i)
		name, options, _ := strings.Cut(f.Tag.Get("json"), ",")
		// A type that writes its own form has fields without tags, and checks them.
		if name == "-" || name == "" || !f.IsExported() {
			continue
		}
		x := limitsOfField(f, i, name, options == "omitempty")
		l.fields, l.deep = append(l.fields, x), l.deep || x.inner != nil
	}
	return l
}

func limitsOfField(f reflect.StructField, index int, name string, omitEmpty bool) fieldLimits {
	x := fieldLimits{name: name, index: index, omitEmpty: omitEmpty, session: f.Tag.Get("form") == "session", maxItems: -1,
		maxLength: -1}
	x.inner = limitsOf(f.Type)
	for _, part := range strings.Split(f.Tag.Get("jsonschema"), ",") {
		key, value, _ := strings.Cut(part, "=")
		n, _ := strconv.Atoi(value)
		switch key {
		case "minimum":
			x.least = &n
		case "maximum":
			x.most = &n
		case "minItems":
			x.minItems = n
		case "maxItems":
			x.maxItems = n
		case "minLength":
			x.minLength = n
		case "maxLength":
			x.maxLength = n
		case "enum":
			x.choices = append(x.choices, value)
		}
	}
	return x
}

// Faults lists what of the value a file does not take, at most so many.
func (l *Limits) Faults(path string, value any, most int) []Fault {
	c := collector{most: most, file: true}
	c.value(path, l, reflect.ValueOf(value))
	return c.faults
}

// First is the first limit that the value breaks while a document is open.
func (l *Limits) First(value any) (f Fault, broken bool) {
	c := collector{most: 1}
	c.value("", l, reflect.ValueOf(value))
	if len(c.faults) == 0 {
		return f, false
	}
	return c.faults[0], true
}

// Session calls f with every value that is only known while a document is open.
func (l *Limits) Session(value any, f func(any)) { l.session(reflect.ValueOf(value), f) }

func (l *Limits) session(v reflect.Value, f func(any)) {
	switch {
	case l == nil || v.Kind() == reflect.Pointer && v.IsNil():
		return
	case v.Kind() == reflect.Pointer:
		v = v.Elem()
	}
	if l.elem != nil {
		for i := range v.Len() {
			l.elem.session(v.Index(i), f)
		}
		return
	}
	for i := range l.fields {
		field := &l.fields[i]
		if field.session {
			f(v.Field(field.index).Interface())
			continue
		}
		field.inner.session(v.Field(field.index), f)
	}
}

// collector gathers faults until there are enough of them.
type collector struct {
	faults []Fault
	most   int
	file   bool // what is only known while a document is open is a fault
}

func (c *collector) full() bool { return len(c.faults) >= c.most }

func (c *collector) add(path, reason string) {
	if reason != "" && !c.full() {
		c.faults = append(c.faults, Fault{path, reason})
	}
}

func (c *collector) value(path string, l *Limits, v reflect.Value) {
	if l == nil || c.full() {
		return
	}
	if v.Kind() == reflect.Pointer {
		if v.IsNil() {
			return
		}
		v = v.Elem()
	}
	if l.elem != nil {
		for i := 0; i < v.Len() && !c.full(); i++ {
			c.value(path+"["+strconv.Itoa(i)+"]", l.elem, v.Index(i))
		}
		return
	}
	for i := range l.fields {
		f := &l.fields[i]
		c.field(Under(path, f.name), f, v.Field(f.index))
	}
}

// Under is the path of a field of what lies at a path.
func Under(path, name string) string {
	if path == "" || name == "" || name[0] == '[' {
		return path + name
	}
	return path + "." + name
}

func (c *collector) field(path string, f *fieldLimits, v reflect.Value) {
	switch {
	case v.Kind() == reflect.Pointer && v.IsNil():
		return
	case v.Kind() == reflect.Pointer:
		v = v.Elem()
	case f.omitEmpty && (v.IsZero() || v.Kind() == reflect.Slice && v.Len() == 0):
		return
	}
	if f.session {
		if !c.file {
			return
		}
		c.add(path, "this is only known while a lesson is open; a file names pieces by place and count")
		return
	}
	switch v.Kind() {
	case reflect.Int, reflect.Int8, reflect.Int16, reflect.Int32, reflect.Int64:
		c.add(path, f.number(int(v.Int())))
	case reflect.String:
		c.add(path, f.text(v.String()))
	case reflect.Slice:
		c.add(path, f.list(v))
	}
	c.value(path, f.inner, v)
}

func (f *fieldLimits) list(v reflect.Value) string {
	switch {
	case v.IsNil() && !f.omitEmpty:
		return "it is missing"
	case v.Len() < f.minItems:
		return fmt.Sprintf("it has %d, and at least %d are needed", v.Len(), f.minItems)
	case f.maxItems >= 0 && v.Len() > f.maxItems:
		return fmt.Sprintf("%d are too many; it holds %d", v.Len(), f.maxItems)
	}
	return ""
}

func (f *fieldLimits) number(n int) string {
	switch {
	case f.choices != nil && !slices.Contains(f.choices, strconv.Itoa(n)):
		return fmt.Sprintf("%d is not %s", n, orList(f.choices))
	case f.least != nil && f.most != nil && (n < *f.least || n > *f.most):
		return fmt.Sprintf("%d is not from %d to %d", n, *f.least, *f.most)
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
	case len(s) < f.minLength:
		return "it is empty"
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
	return strconv.Quote(Cut(s))
}

// Cut is a text of at most maxQuote letters.
func Cut(s string) string {
	if len(s) <= maxQuote {
		return s
	}
	return strings.ToValidUTF8(s[:maxQuote], "") + "…"
}
