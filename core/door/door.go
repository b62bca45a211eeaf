// Package door is the core's stateful door: a host opens a document behind a
// handle, sends moves and edits, and mirrors what comes back. Every operation
// declares the types of its argument and its answer, from which the host's own
// types are made. The browser's host is cmd/corewasm; the tests call the same
// door natively.
package door

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"reflect"
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/form"
	"unitbloom/core/say"
)

// Door holds the open documents of one host. It is not safe for use by several
// goroutines at once; a browser has one.
type Door struct {
	sessions map[int]*session
	last     int
	// room is how long the last answer of each operation was: the next is mostly like it.
	room map[string]int
}

// New makes a door with nothing open.
func New() *Door { return &Door{sessions: map[int]*session{}, room: map[string]int{}} }

// Failure is the JSON of an error: a code for programs, a sentence for people.
type Failure struct {
	Code string `json:"code"`
	Text string `json:"text"`
	// Offer would do what was wanted.
	Offer *Offered `json:"offer,omitempty"`
}

// Offered is a move that a refusal offers, with what is written on its button.
type Offered struct {
	Label string     `json:"label"`
	Move  board.Move `json:"move"`
}

// Codes of failures that are not refusals of a rule.
const (
	// CodeFault is a mistake in the program. The documents are as they were.
	CodeFault   = "fault"
	CodeInvalid = "invalid"
	CodeUnknown = "unknown-operation"
)

// Call runs one operation. After a fault inside it, an answer with the code
// CodeFault, every document is as it was before the call.
func (d *Door) Call(op string, arg []byte) (out []byte) {
	o, ok := byName[op]
	handle := 0
	if o.OnOpen {
		handle, arg = handleOf(arg)
	}
	restore := d.keep(handle)
	defer func() {
		if r := recover(); r != nil {
			restore()
			out = refusal(Failure{Code: CodeFault,
				Text: fmt.Sprintf("Something went wrong in the core (%s: %v). The board is as it was.", op, r)})
		}
	}()
	if !ok {
		return refusal(Failure{Code: CodeUnknown, Text: fmt.Sprintf("There is no operation %s.", form.Quote(op))})
	}
	result, err := o.run(d, handle, arg)
	if err != nil {
		return refusal(d.explain(handle, err))
	}
	return d.success(op, result)
}

// A call answers {"ok": what it gives} or {"error": a failure}.
func refusal(f Failure) []byte {
	body, err := json.Marshal(map[string]Failure{"error": f})
	if err != nil {
		panic(err)
	}
	return body
}

func (d *Door) success(op string, result any) []byte {
	body, err := form.Append(append(make([]byte, 0, d.room[op]), `{"ok":`...), result)
	if err != nil {
		panic(err)
	}
	body = append(body, '}')
	d.room[op] = len(body) + len(body)/8
	return body
}

// keep remembers the documents as they are. What a session holds is never altered
// in place, so that its value is enough.
func (d *Door) keep(handle int) (restore func()) {
	last, s := d.last, d.sessions[handle]
	var was session
	if s != nil {
		was = *s
	}
	return func() {
		for h := range d.sessions {
			if h > last {
				delete(d.sessions, h)
			}
		}
		d.last = last
		if s != nil {
			*s = was
			d.sessions[was.handle] = s
		}
	}
}

// handleOf is the handle that an argument names, 0 for none, and the argument without it.
// Hosts write the handle first: what comes after may be a lesson, and is not read for it.
func handleOf(arg []byte) (handle int, rest []byte) {
	if after, first := bytes.CutPrefix(arg, []byte(`{"handle":`)); first {
		n := bytes.IndexAny(after, ",}")
		if h, err := strconv.Atoi(string(after[:max(n, 0)])); err == nil && h > 0 {
			return h, append([]byte{'{'}, bytes.TrimPrefix(after[n:], []byte{','})...)
		}
	}
	var fields map[string]json.RawMessage
	if json.Unmarshal(arg, &fields) != nil || json.Unmarshal(fields["handle"], &handle) != nil {
		return 0, arg
	}
	delete(fields, "handle")
	rest, err := json.Marshal(fields)
	if err != nil {
		return 0, arg
	}
	return handle, rest
}

// explain words an error in the class's words when the call names a session.
func (d *Door) explain(handle int, err error) Failure {
	var words say.Vocabulary
	if s := d.sessions[handle]; s != nil {
		words = s.doc.Words
	}
	var refusal *say.Refusal
	if !errors.As(err, &refusal) {
		return Failure{Code: CodeInvalid, Text: sentenceOf(err, words)}
	}
	out := Failure{Code: refusal.Code, Text: sentenceOf(err, words)}
	var offering board.Offering
	if errors.As(err, &offering) {
		out.Offer = &Offered{offering.Offer.Label.Text(words), offering.Offer.Move}
	}
	return out
}

// sentenceOf is an error in the class's words.
func sentenceOf(err error, words say.Vocabulary) string {
	var refusal *say.Refusal
	if errors.As(err, &refusal) {
		return refusal.Message.Text(words)
	}
	return say.Ended(words.Spell(err.Error()))
}

// Operation is one thing that a host can ask for.
type Operation struct {
	Name string
	Doc  string
	// OnOpen says that it is about an open document: its argument names a handle.
	OnOpen bool
	// Arg and Answer are the types of both.
	Arg, Answer reflect.Type

	run func(d *Door, handle int, arg []byte) (any, error)
}

// op is an operation that needs no document.
func op[A, R any](name, doc string, f func(*Door, A) (R, error)) Operation {
	return operation(name, doc, reflect.ValueOf(f), func(d *Door, _ int) (any, error) { return d, nil })
}

// on is an operation on an open document.
func on[A, R any](name, doc string, f func(*session, A) (R, error)) Operation {
	o := operation(name, doc, reflect.ValueOf(f), func(d *Door, handle int) (any, error) {
		s, ok := d.sessions[handle]
		if !ok {
			return nil, fmt.Errorf("handle %d is not open", handle)
		}
		return s, nil
	})
	o.OnOpen = true
	return o
}

// operation does f to what it is done to, and to its argument. A field with a wrong name is a mistake
// of the host. It is called without its types, as the moves of a board are.
func operation(name, doc string, f reflect.Value, to func(*Door, int) (any, error)) Operation {
	arg := f.Type().In(1)
	return Operation{Name: name, Doc: doc, Arg: arg, Answer: f.Type().Out(0),
		run: func(d *Door, handle int, raw []byte) (any, error) {
			a := reflect.New(arg)
			if err := form.Read(raw, a.Interface()); err != nil {
				return nil, err
			}
			target, err := to(d, handle)
			if err != nil {
				return nil, err
			}
			return form.Call(f, target, a.Elem().Interface())
		}}
}

// None is an argument or an answer with nothing in it.
type None struct{}
