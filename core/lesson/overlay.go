package lesson

import (
	"fmt"
	"slices"

	"unitbloom/core/board"
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
	Model *int   `json:"model,omitempty" jsonschema:"minimum=0,maximum=3" jsonschema_description:"The model that it lies on; the board itself when left out."`
	Zone  string `json:"zone,omitempty" jsonschema:"maxLength=40" jsonschema_description:"The zone of the model; all of it when left out."`
}

// Stroke is one stroke of ink.
type Stroke struct {
	ID     string   `json:"id" jsonschema:"required,minLength=1,maxLength=64"`
	Tool   string   `json:"tool" jsonschema:"required,enum=pen,enum=line,enum=ring,enum=arrow,enum=highlighter"`
	Colour string   `json:"colour" jsonschema:"required,enum=ink,enum=berry,enum=pine,enum=amber"`
	Width  int      `json:"width" jsonschema:"required,minimum=1,maximum=3" jsonschema_description:"Thin, middle or broad."`
	On     Anchor   `json:"on"`
	Points [][2]int `json:"points" jsonschema:"required,maxItems=2000" jsonschema_description:"Its way; of a line, a ring or an arrow, two points."`
}

// Note is a text placed on the board.
type Note struct {
	ID   string `json:"id" jsonschema:"required,minLength=1,maxLength=64"`
	Text string `json:"text" jsonschema:"required,minLength=1,maxLength=500"`
	On   Anchor `json:"on"`
	X    int    `json:"x"`
	Y    int    `json:"y"`
}

// draw puts strokes on a scene, or in place of those of their ids, and rubs
// others out.
func (l Lesson) draw(e Edit) (Lesson, error) {
	s, i := l.Scene(e.Scene)
	if i < 0 {
		return l, noScene(e.Scene)
	}
	s.Ink = putByID(s.Ink, e.Strokes, e.Erase, func(x Stroke) string { return x.ID })
	return l.withScene(i, s), first(s.overlayFaults("scene"))
}

// note puts notes on a scene in the same way.
func (l Lesson) note(e Edit) (Lesson, error) {
	s, i := l.Scene(e.Scene)
	if i < 0 {
		return l, noScene(e.Scene)
	}
	s.Notes = putByID(s.Notes, e.Notes, e.Erase, func(x Note) string { return x.ID })
	return l.withScene(i, s), first(s.overlayFaults("scene"))
}

// putByID is the list less those erased, with each of put in the place of its
// id or at the end.
func putByID[T any](list, put []T, erase []string, id func(T) string) []T {
	out := slices.DeleteFunc(slices.Clone(list), func(x T) bool { return slices.Contains(erase, id(x)) })
	for _, x := range put {
		if at := slices.IndexFunc(out, func(y T) bool { return id(y) == id(x) }); at >= 0 {
			out[at] = x
		} else {
			out = append(out, x)
		}
	}
	return out
}

func (s Scene) overlayFaults(path string) []Fault {
	if len(s.Ink) > maxStrokes {
		return []Fault{{path + ".ink", fmt.Sprintf("%d strokes are too many; a scene holds %d", len(s.Ink), maxStrokes)}}
	}
	if len(s.Notes) > maxNotes {
		return []Fault{{path + ".notes", fmt.Sprintf("%d notes are too many; a scene holds %d", len(s.Notes), maxNotes)}}
	}
	for i, x := range s.Ink {
		at := fmt.Sprintf("%s.ink[%d].", path, i)
		switch {
		case x.ID == "" || len(x.ID) > 64:
			return []Fault{{at + "id", "a stroke needs an id of 1 to 64 letters"}}
		case !slices.Contains(Tools, x.Tool):
			return []Fault{{at + "tool", fmt.Sprintf("%q is not a tool", x.Tool)}}
		case !slices.Contains(InkColours, x.Colour):
			return []Fault{{at + "colour", fmt.Sprintf("%q is not one of our colours", x.Colour)}}
		case x.Width < 1 || x.Width > 3:
			return []Fault{{at + "width", fmt.Sprintf("%d is not from 1 to 3", x.Width)}}
		case len(x.Points) < 2 || len(x.Points) > maxPoints:
			return []Fault{{at + "points", fmt.Sprintf("a stroke has 2 to %d points, not %d", maxPoints, len(x.Points))}}
		}
		if f := x.On.fault(s); f != "" {
			return []Fault{{at + "on", f}}
		}
	}
	for i, x := range s.Notes {
		at := fmt.Sprintf("%s.notes[%d].", path, i)
		if x.ID == "" || len(x.ID) > 64 || x.Text == "" || len([]rune(x.Text)) > 500 {
			return []Fault{{at + "text", "a note has an id, and 1 to 500 letters"}}
		}
		if f := x.On.fault(s); f != "" {
			return []Fault{{at + "on", f}}
		}
	}
	return nil
}

func (a Anchor) fault(s Scene) string {
	if a.Model != nil && (*a.Model < 0 || *a.Model >= board.MaxModels) {
		return fmt.Sprintf("there is no model %d", *a.Model)
	}
	return ""
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
