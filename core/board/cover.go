package board

import (
	"fmt"
	"slices"
)

// Rect is a rectangle in model units, from the corner of what it lies on.
type Rect struct {
	X int `json:"x"`
	Y int `json:"y"`
	W int `json:"w" jsonschema:"required,minimum=1,maximum=20000"`
	H int `json:"h" jsonschema:"required,minimum=1,maximum=20000"`
}

func (r Rect) check() error {
	const most = 20000
	if r.W < 1 || r.H < 1 || r.W > most || r.H > most || max(r.X, -r.X, r.Y, -r.Y) > most {
		return fmt.Errorf("a rectangle is at least 1 by 1, and nothing of it lies further than %d", most)
	}
	return nil
}

// Cover hides a part of a model: a whole zone (a column, a row, one side of a
// row), or a rectangle that stays where it lies on its zone.
type Cover struct {
	Model int    `json:"model"`
	Zone  string `json:"zone"`
	At    *Rect  `json:"at,omitempty" jsonschema_description:"A rectangle in model units from the zone's corner; the whole zone when left out."`
}

func (c Cover) same(d Cover) bool {
	if c.Model != d.Model || c.Zone != d.Zone || (c.At == nil) != (d.At == nil) {
		return false
	}
	return c.At == nil || *c.At == *d.At
}

// The zones that every model has: all of it, and the open mat of those that
// have one.
const (
	AllZone = "all"
	MatZone = "mat"
)

// Covering is a cover as it lies on its model's layout.
type Covering struct {
	Index int // in Board.Covers
	Cover
	Rect
}

// CoversOn are the covers of model i where they lie.
func (b Board) CoversOn(i int) []Covering {
	var list []Covering
	var l Layout
	for k, c := range b.Covers {
		if c.Model != i {
			continue
		}
		if l.Zones == nil {
			l = b.Lay(i)
		}
		z, _ := l.zone(c.Zone)
		r := Rect{z.X, z.Y, z.W, z.H}
		if c.At != nil {
			r = Rect{z.X + c.At.X, z.Y + c.At.Y, c.At.W, c.At.H}
		}
		list = append(list, Covering{k, c, r})
	}
	return list
}

// IsCovered reports whether any part of model i is covered; then no read-out
// may give its number away.
func (b Board) IsCovered(i int) bool {
	return slices.ContainsFunc(b.Covers, func(c Cover) bool { return c.Model == i })
}

func hasZone(m Model, id string) bool {
	spec, _ := SpecOf(m.Kind())
	_, ok := spec.Layout(m).zone(id)
	return ok
}

// zone finds a zone of a layout; all of it is a zone too.
func (l Layout) zone(id string) (Zone, bool) {
	if id == AllZone {
		return Zone{ID: AllZone, W: l.W, H: l.H}, true
	}
	i := slices.IndexFunc(l.Zones, func(z Zone) bool { return z.ID == id })
	if i < 0 {
		return Zone{}, false
	}
	return l.Zones[i], true
}

// settleCovers keeps what was hidden hidden when zones come and go: a cover
// whose zone is no longer there lies over all of the model.
func (b Board) settleCovers() Board {
	if len(b.Covers) == 0 {
		return b
	}
	var kept []Cover
	for _, c := range b.Covers {
		if !hasZone(b.Models[c.Model], c.Zone) {
			c = Cover{Model: c.Model, Zone: AllZone}
		}
		if !slices.ContainsFunc(kept, c.same) {
			kept = append(kept, c)
		}
	}
	b.Covers = kept
	return b
}
