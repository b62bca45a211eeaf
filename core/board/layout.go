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
	X, Y, W, H int
	Zone       string
	Part       int
	Marks      Marks
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
