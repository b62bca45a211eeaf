package schema

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"slices"
	"strconv"
	"strings"
	"sync"

	validator "github.com/santhosh-tekuri/jsonschema/v6"
	"golang.org/x/text/language"
	"golang.org/x/text/message"

	"unitbloom/core/lesson"
)

var compiled = sync.OnceValues(func() (*validator.Schema, error) {
	raw, err := json.Marshal(Lesson())
	if err != nil {
		return nil, err
	}
	doc, err := validator.UnmarshalJSON(bytes.NewReader(raw))
	if err != nil {
		return nil, err
	}
	c := validator.NewCompiler()
	if err := c.AddResource("lesson.json", doc); err != nil {
		return nil, err
	}
	return c.Compile("lesson.json")
})

// ReadLesson reads a lesson file: its form is held against the schema, then its
// sense is checked by the core; of a newer format, as much as the core understands. Errors name the field's path and say why.
func ReadLesson(raw []byte) (lesson.Lesson, error) {
	// The core speaks first of what is not JSON, and of other formats.
	l, decodeErr := lesson.Decode(raw)
	if l.Newer != nil || errors.Is(decodeErr, lesson.ErrNewer) {
		return l, decodeErr
	}
	value, err := validator.UnmarshalJSON(bytes.NewReader(raw))
	if err != nil {
		return lesson.Lesson{}, orElse(decodeErr, err)
	}
	s, err := compiled()
	if err != nil {
		return lesson.Lesson{}, err
	}
	if err := s.Validate(value); err != nil {
		var ve *validator.ValidationError
		if errors.As(err, &ve) {
			return lesson.Lesson{}, deepest(ve)
		}
		return lesson.Lesson{}, err
	}
	return l, decodeErr
}

func orElse(first, second error) error {
	if first != nil {
		return first
	}
	return second
}

// deepest is the fault furthest inside the file, which is the one that a person
// can mend. Of the forms that a model or a move can have, only the one of its
// kind is looked into.
func deepest(ve *validator.ValidationError) error {
	best := ve
	var walk func(*validator.ValidationError)
	walk = func(e *validator.ValidationError) {
		if len(e.Causes) == 0 && (len(best.Causes) > 0 || len(e.InstanceLocation) > len(best.InstanceLocation)) {
			best = e
		}
		ofItsKind := slices.DeleteFunc(slices.Clone(e.Causes), otherKind)
		if len(ofItsKind) == 0 {
			ofItsKind = e.Causes
		}
		for _, c := range ofItsKind {
			walk(c)
		}
	}
	walk(ve)
	reason := best.ErrorKind.LocalizedString(message.NewPrinter(language.English))
	return lesson.Fault{Path: path(best.InstanceLocation), Reason: reason}
}

// otherKind reports whether the form was ruled out by the kind.
func otherKind(e *validator.ValidationError) bool {
	if n := len(e.InstanceLocation); len(e.Causes) == 0 && n > 0 && e.InstanceLocation[n-1] == "kind" {
		return true
	}
	return slices.ContainsFunc(e.Causes, otherKind)
}

func path(location []string) string {
	if len(location) == 0 {
		return "file"
	}
	var b strings.Builder
	for i, part := range location {
		if _, err := strconv.Atoi(part); err == nil {
			fmt.Fprintf(&b, "[%s]", part)
			continue
		}
		if i > 0 {
			b.WriteByte('.')
		}
		b.WriteString(part)
	}
	return b.String()
}
