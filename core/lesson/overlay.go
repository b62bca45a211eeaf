package lesson

import (
	"fmt"
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/form"
)

// Limits of what lies over a board.
const (
	maxStrokes = 500
	maxPoints  = 2000
	maxNotes   = 60
)

// The tools and colours of the pen.
var (
	Tools      = []string{"pen", "line", "ring", "arrow", "highlighter"}
	InkColours = []string{"ink", "berry", "pine", "amber"}
)

// Anchor says what a stroke or note lies on, so that it stays there when the
// window changes, models change places or a column appears. On a model its
// units are tenths of model units from the corner of the zone; on the board
// itself they are ten-thousandths of the board's width and height.
type Anchor struct {
	// The model that it lies on; the board itself when left out.
	Model *int `json:"model,omitempty" jsonschema:"minimum=0,maximum=3"`
	// The zone of the model; all of it when left out.
	Zone string `json:"zone,omitempty" jsonschema:"maxLength=40"`
}

// Stroke is one stroke of ink.
type Stroke struct {
	ID     string `json:"id" jsonschema:"required,minLength=1,maxLength=64"`
	Tool   string `json:"tool" jsonschema:"required,enum=pen,enum=line,enum=ring,enum=arrow,enum=highlighter"`
	Colour string `json:"colour" jsonschema:"required,enum=ink,enum=berry,enum=pine,enum=amber"`
	// Thin, middle or broad.
	Width int    `json:"width" jsonschema:"required,minimum=1,maximum=3"`
	On    Anchor `json:"on"`
	// Its way; of a line, a ring or an arrow, two points.
	Points [][2]int `json:"points" jsonschema:"required,minItems=2,maxItems=2000"`

	extra form.Extra
}

// Note is a text placed on the board.
type Note struct {
	ID   string `json:"id" jsonschema:"required,minLength=1,maxLength=64"`
	Text string `json:"text" jsonschema:"required,minLength=1,maxLength=500"`
	On   Anchor `json:"on"`
	X    int    `json:"x"`
	Y    int    `json:"y"`

	extra form.Extra
}

// layer is one of the lists that lie over the board of a scene.
type layer[T any] struct {
	// name is the list's in a scene, items that of what is put there.
	name, items string
	most        int
	of          func(*Scene) *[]T
	id          func(T) string
	extra       func(T) form.Extra
}

var (
	inkLayer = layer[Stroke]{"ink", "strokes", maxStrokes, func(s *Scene) *[]Stroke { return &s.Ink }, strokeID,
		func(x Stroke) form.Extra { return x.extra }}
	noteLayer = layer[Note]{"notes", "notes", maxNotes, func(s *Scene) *[]Note { return &s.Notes }, noteID,
		func(x Note) form.Extra { return x.extra }}
)

// change puts items on a scene, or in place of those of their ids, rubs others out,
// and brings them into an order.
func (y layer[T]) change(l Lesson, e Edit, put []T) (Lesson, error) {
	s, i := l.Scene(e.Scene)
	if i < 0 {
		return l, noScene(e.Scene)
	}
	if len(put) > y.most {
		return l, fmt.Errorf("%s: %d are too many; a scene holds %d", y.items, len(put), y.most)
	}
	list := y.of(&s)
	*list = ordered(putByID(*list, put, e.Erase, y.id), e.Order, y.id)
	var faults faultList
	faults.limits(y.items, put)
	for k := range put {
		faults.unknown(fmt.Sprintf("%s[%d]", y.items, k), y.extra(put[k]), l.Minor)
	}
	if n := len(*list); n > y.most {
		faults.add("scene."+y.name, fmt.Sprintf("%d %s are too many; a scene holds %d", n, y.items, y.most))
	}
	return l.withScene(i, s), faults.first()
}

func strokeID(x Stroke) string { return x.ID }

func noteID(x Note) string { return x.ID }

// putByID is the list less those erased, with each of put in the place of its
// id or at the end.
func putByID[T any](list, put []T, erase []string, id func(T) string) []T {
	gone := make(map[string]bool, len(erase))
	for _, e := range erase {
		gone[e] = true
	}
	out := slices.DeleteFunc(slices.Clone(list), func(x T) bool { return gone[id(x)] })
	at := make(map[string]int, len(out))
	for i := range out {
		at[id(out[i])] = i
	}
	for _, x := range put {
		if i, ok := at[id(x)]; ok {
			out[i] = x
			continue
		}
		at[id(x)] = len(out)
		out = append(out, x)
	}
	return out
}

// ordered is the list in an order of ids; what it does not name comes last, as it
// lay.
func ordered[T any](list []T, order []string, id func(T) string) []T {
	if len(order) == 0 {
		return list
	}
	rank := make(map[string]int, len(order))
	for i, name := range order {
		rank[name] = i
	}
	of := func(x T) int {
		if i, ok := rank[id(x)]; ok {
			return i
		}
		return len(order)
	}
	slices.SortStableFunc(list, func(x, y T) int { return of(x) - of(y) })
	return list
}

// Played is the scene after moves on its free board: what lies over a model
// goes with it when models change places, and away with it.
func (s Scene) Played(next board.Board, moves []board.Move) Scene {
	n := len(s.Start.Models)
	s.Start = next
	for _, mv := range moves {
		now := board.Renumbered(mv, n)
		if now == nil {
			continue
		}
		s.Ink = anchoredAt(s.Ink, now, func(x *Stroke) *Anchor { return &x.On })
		s.Notes = anchoredAt(s.Notes, now, func(x *Note) *Anchor { return &x.On })
	}
	return s
}

func anchoredAt[T any](list []T, now func(int) int, on func(*T) *Anchor) []T {
	var out []T
	for _, x := range list {
		a := on(&x)
		if a.Model != nil {
			to := now(*a.Model)
			if to < 0 {
				continue
			}
			a.Model = &to
		}
		out = append(out, x)
	}
	return out
}
