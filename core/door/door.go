// Package door is the core's stateful door: a host opens a document behind a
// handle, sends moves and edits, and mirrors what comes back. Every answer is
// JSON. The browser's host is cmd/corewasm; the tests call the same door
// natively.
package door

import (
	"encoding/json"
	"errors"
	"fmt"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Door holds the open documents of one host. It is not safe for use by several
// goroutines at once; a browser has one.
type Door struct {
	sessions map[int]*session
	last     int
}

// New makes a door with nothing open.
func New() *Door { return &Door{sessions: map[int]*session{}} }

// failure is the JSON of an error: a code for programs, a sentence for people.
type failure struct {
	Code string `json:"code"`
	Text string `json:"text"`
}

// Call runs one operation. The answer is {"ok": …} or {"error": {code, text}};
// a panic inside is an error with the code "panic", and leaves the session as
// it was.
func (d *Door) Call(op string, arg []byte) (out []byte) {
	defer func() {
		if r := recover(); r != nil {
			out = fail(failure{"panic", fmt.Sprintf("Something went wrong in %s: %v.", op, r)})
		}
	}()
	run, ok := operations[op]
	if !ok {
		return fail(failure{"unknown-operation", fmt.Sprintf("There is no operation %q.", op)})
	}
	result, err := run(d, arg)
	if err != nil {
		return fail(d.explain(arg, err))
	}
	if raw, ok := result.(rawJSON); ok {
		return append(append([]byte(`{"ok":`), raw...), '}')
	}
	body, err := json.Marshal(map[string]any{"ok": result})
	if err != nil {
		return fail(failure{"encode", err.Error()})
	}
	return body
}

type rawJSON []byte

func fail(f failure) []byte {
	body, _ := json.Marshal(map[string]failure{"error": f})
	return body
}

// explain words an error in the class's words when the call names a session.
func (d *Door) explain(arg []byte, err error) failure {
	var refusal *say.Refusal
	if !errors.As(err, &refusal) {
		return failure{"invalid", err.Error()}
	}
	var words say.Words
	var on struct {
		Handle int `json:"handle"`
	}
	if json.Unmarshal(arg, &on) == nil && d.sessions[on.Handle] != nil {
		words = d.sessions[on.Handle].doc.Words
	}
	return failure{refusal.Code, refusal.Message.Text(words)}
}

type operation func(*Door, []byte) (any, error)

var operations map[string]operation

// The operations refer to the types below them, hence init.
func init() {
	operations = map[string]operation{
		"version":      func(*Door, []byte) (any, error) { return map[string]int{"format": lesson.Format}, nil },
		"read":         op(read),
		"methods":      func(*Door, []byte) (any, error) { return Methods(), nil },
		"preview":      op(preview),
		"open":         op(open),
		"close":        on(closeSession),
		"outline":      on(func(s *session, _ struct{}) (any, error) { return s.outline(), nil }),
		"document":     on(func(s *session, _ struct{}) (any, error) { return s.doc, nil }),
		"show":         on(show),
		"apply":        on(apply),
		"undo":         on(func(s *session, _ struct{}) (any, error) { return s.undo() }),
		"redo":         on(func(s *session, _ struct{}) (any, error) { return s.redo() }),
		"edit":         on(func(s *session, a editArgs) (any, error) { return s.edit(a.Edit) }),
		"editStep":     on(editStep),
		"setScene":     on(setScene),
		"addExample":   on(addExample),
		"addBoard":     on(addBoard),
		"keepScratch":  on(keepScratch),
		"dropScratch":  on(func(s *session, _ struct{}) (any, error) { s.scratch = nil; return s.frame(), nil }),
		"verbs":        on(verbs),
		"counting":     on(counting),
		"builds":       on(builds),
		"judge":        on(judge),
		"compare":      on(compare),
		"clear":        on(clearThings),
		"throw":        op(throw),
		"acts":         op(acts),
		"beginCapture": on(beginCapture),
		"endStep":      on(endStep),
		"endCapture":   on(endCapture),
		"dropCapture":  on(dropCapture),
		"anotherLike":  on(anotherLike),
		"reshape":      on(reshape),
	}
}

func op[A any](f func(*Door, A) (any, error)) operation {
	return func(d *Door, raw []byte) (any, error) {
		var a A
		if err := json.Unmarshal(raw, &a); err != nil {
			return nil, err
		}
		return f(d, a)
	}
}

// on is an operation on an open document.
func on[A any](f func(*session, A) (any, error)) operation {
	return func(d *Door, raw []byte) (any, error) {
		var h struct {
			Handle int `json:"handle"`
		}
		var a A
		if err := errors.Join(json.Unmarshal(raw, &h), json.Unmarshal(raw, &a)); err != nil {
			return nil, err
		}
		s, ok := d.sessions[h.Handle]
		if !ok {
			return nil, fmt.Errorf("handle %d is not open", h.Handle)
		}
		s.door = d
		return f(s, a)
	}
}

// MethodInfo is what is to be known of a method before using it.
type MethodInfo struct {
	ID        string          `json:"id"`
	Title     string          `json:"title"`
	Operation string          `json:"operation"`
	Doc       string          `json:"doc"`
	Args      string          `json:"args"`
	Sample    []string        `json:"sample"`
	Typed     string          `json:"typed"`
	Limits    string          `json:"limits"`
	Models    []string        `json:"models"`
	Options   []method.Option `json:"options"`
}

// Methods lists the registry of methods.
func Methods() []MethodInfo {
	var out []MethodInfo
	for _, m := range method.Specs() {
		out = append(out, MethodInfo{m.ID, m.Title, m.Operation, m.Doc, m.Args, m.Sample, m.Typed, m.Limits, m.Models, m.AllOptions()})
	}
	return out
}

func read(_ *Door, a struct{ Text string }) (any, error) {
	w, err := place.Parse(a.Text)
	if err != nil {
		return nil, err
	}
	return w.Read(), nil
}

// exampleArgs are a problem as typed, or as a method with arguments.
type exampleArgs struct {
	method.Request
	Typed string `json:"typed"`
	ID    string `json:"id"`
	At    *int   `json:"at"`
}

func (a exampleArgs) make() (method.Example, error) {
	r := a.Request
	if a.Typed != "" {
		typed, err := method.Typed(a.Method, a.Typed)
		if err != nil {
			return method.Example{}, err
		}
		r.Method, r.Args = typed.Method, typed.Args
	}
	return method.Make(r)
}

func preview(_ *Door, a exampleArgs) (any, error) {
	e, err := a.make()
	if err != nil {
		return nil, err
	}
	p := e.Plain()
	return p, nil
}

type openArgs struct {
	Lesson json.RawMessage `json:"lesson"`
}

func open(d *Door, a openArgs) (any, error) {
	l, err := lesson.Decode(a.Lesson)
	if err != nil {
		return nil, err
	}
	d.last++
	s := &session{doc: l, handle: d.last}
	if len(l.Scenes) > 0 {
		s.scene = l.Scenes[0].ID
	}
	d.sessions[d.last] = s
	return map[string]any{"handle": d.last, "outline": s.outline()}, nil
}

func closeSession(s *session, _ struct{}) (any, error) {
	delete(s.door.sessions, s.handle)
	return struct{}{}, nil
}

type editArgs struct {
	Edit lesson.Edit `json:"edit"`
}

type verbArgs struct {
	Model int             `json:"model"`
	IDs   []board.PieceID `json:"ids"`
}

// Verb is one word of a selection's strip: the move that it would make, or why
// it cannot.
type Verb struct {
	Label string     `json:"label"`
	OK    bool       `json:"ok"`
	Why   string     `json:"why,omitempty"`
	Move  board.Move `json:"move"`
}

// verbs tries each verb of the selection on the board as it stands.
func verbs(s *session, a verbArgs) (any, error) {
	b := s.board()
	if a.Model < 0 || a.Model >= len(b.Models) {
		return nil, fmt.Errorf("model: there is no model %d", a.Model)
	}
	spec, _ := board.SpecOf(b.Models[a.Model].Kind())
	list := []Verb{}
	if spec.Offers == nil {
		return list, nil
	}
	for _, o := range spec.Offers(b.Models[a.Model], a.IDs) {
		o.Move.Model = a.Model
		v := Verb{Label: o.Label.Text(s.doc.Words), OK: true, Move: o.Move}
		if _, _, err := board.Apply(b, o.Move); err != nil {
			f := s.door.explain(fmt.Appendf(nil, `{"handle":%d}`, s.handle), err)
			v.OK, v.Why = false, f.Text
		}
		list = append(list, v)
	}
	return list, nil
}
