package board

import "slices"

// Layout gives every piece of a model a rectangle in model units; the side of
// a single block is ten units. The web turns units into pixels.
type Layout struct {
	W, H   int
	Pieces []Sprite
	Zones  []Zone
	// Flags are the model's own ways of being shown: "mat", "sketch".
	Flags []string
}

// Sprite is one piece as it lies.
type Sprite struct {
	ID         PieceID
	Look       string // "one", "ten", "hundred", "thousand", "bead"
	X, Y, W, H int32
	Zone       string
	Part       int8
	Marks      Marks
}

// movedTo reports whether two sprites of a piece differ in their place alone.
func (s *Sprite) movedTo(t *Sprite) bool {
	there := *t
	there.X, there.Y = s.X, s.Y
	return *s == there
}

// Changes are the pieces by which one layout differs from another.
type Changes struct {
	Changed []*Sprite // new, or other than before
	Moved   []*Sprite // the same elsewhere
	Removed []PieceID
}

// ChangesTo compares two layouts of a model.
func (l Layout) ChangesTo(now Layout) Changes {
	var c Changes
	was := indexByID(l.Pieces)
	for i := range now.Pieces {
		p := &now.Pieces[i]
		j := was.take(p.ID)
		switch {
		case j < 0:
			c.Changed = append(c.Changed, p)
		case l.Pieces[j] == *p:
		case l.Pieces[j].movedTo(p):
			c.Moved = append(c.Moved, p)
		default:
			c.Changed = append(c.Changed, p)
		}
	}
	for i := range l.Pieces {
		if was.take(l.Pieces[i].ID) >= 0 {
			c.Removed = append(c.Removed, l.Pieces[i].ID)
		}
	}
	return c
}

// index finds pieces by id. Ids lie close together, so that a table serves
// better than a map: a move of a thousand pieces is to be told in a millisecond.
type index struct {
	least PieceID
	at    []int32 // place in the list plus one; 0 for none
}

func indexByID(pieces []Sprite) index {
	if len(pieces) == 0 {
		return index{}
	}
	least, most := pieces[0].ID, pieces[0].ID
	for i := range pieces {
		least, most = min(least, pieces[i].ID), max(most, pieces[i].ID)
	}
	x := index{least, make([]int32, most-least+1)}
	for i := range pieces {
		x.at[pieces[i].ID-least] = int32(i + 1)
	}
	return x
}

// take finds a piece once: its place in the list, or -1.
func (x index) take(id PieceID) int {
	if id < x.least || int(id-x.least) >= len(x.at) {
		return -1
	}
	at := x.at[id-x.least]
	x.at[id-x.least] = 0
	return int(at) - 1
}

// Marks are what is to be seen on a piece beside its look.
type Marks uint8

// The marks. A crossed, taken or spent piece is not in play.
const (
	MarkCrossed Marks = 1 << iota
	MarkTaken
	MarkSpent // bundled into another piece; left as a trace
	MarkNew   // just made, until it is counted
	MarkRinged
	MarkAlternate // the second of a model's two colours
)

// Zone is a part of a model that can be covered and that says its count.
type Zone struct {
	ID         string
	Label      string // a place's or a row's name
	Count      int
	X, Y, W, H int
	Side       bool // one side of a row: covered by name, not labelled
	// Offer is the verb that the zone carries at its foot, if any.
	Offer *Offer
}

func hasZone(m Model, id string) bool {
	_, ok := zoneOf(m, id)
	return ok
}

func zoneOf(m Model, id string) (Zone, bool) {
	spec, _ := SpecOf(m.Kind())
	for _, z := range spec.Layout(m).Zones {
		if z.ID == id {
			return z, true
		}
	}
	return Zone{}, false
}

// MatZone is the one zone of a model whose pieces lie freely.
const MatZone = "mat"

// settleCovers keeps covers over what they hid when zones come and go: between
// columns and the open mat they cover all, so that nothing is given away; with a
// row or column that is no longer there they go.
func (b Board) settleCovers() Board {
	if len(b.Covers) == 0 {
		return b
	}
	var kept []Cover
	add := func(c Cover) {
		if !slices.Contains(kept, c) {
			kept = append(kept, c)
		}
	}
	for _, c := range b.Covers {
		zones := b.Lay(c.Model).Zones
		has := func(id string) bool {
			return slices.ContainsFunc(zones, func(z Zone) bool { return z.ID == id })
		}
		switch {
		case has(c.Zone):
			add(c)
		case has(MatZone):
			add(Cover{c.Model, MatZone})
		case c.Zone == MatZone:
			for _, z := range zones {
				add(Cover{c.Model, z.ID})
			}
		}
	}
	b.Covers = kept
	return b
}

// Lay is the layout of model i.
func (b Board) Lay(i int) Layout {
	spec, _ := SpecOf(b.Models[i].Kind())
	return spec.Layout(b.Models[i])
}

// CoveredZones are the zone ids of model i under a cover.
func (b Board) CoveredZones(i int) []string {
	zones := []string{}
	for _, c := range b.Covers {
		if c.Model == i {
			zones = append(zones, c.Zone)
		}
	}
	return zones
}
