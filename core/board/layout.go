package board

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/place"
)

// Layout gives every piece of a model a rectangle in model units; the side of
// a single block is ten units. The web turns units into pixels.
type Layout struct {
	W, H   int
	Pieces []Sprite
	Zones  []Zone
	// Decor is what is drawn behind the pieces: frames, tracks, captions.
	Decor []Decor
	// Flags are the model's own ways of being shown: "mat", "sketch".
	Flags []string
	// Settings are the model's choices by name, for its controls; Counts are what is
	// counted of its pieces for them, held back under a cover.
	Settings, Counts map[string]string
	// Room is what this layout takes of each column, row and track.
	Room Room
}

// Decor is a drawn part of a model that is not a piece: a cell of a frame, a
// track, the point of a chart, a caption.
type Decor struct {
	Kind string `json:"kind"` // "cell", "shaded", "track", "point", "caption", "line"
	X    int    `json:"x"`
	Y    int    `json:"y"`
	W    int    `json:"w"`
	H    int    `json:"h"`
	Text string `json:"text,omitempty"`
	// Zone is the zone that a caption speaks of, so that a cover hides it.
	Zone string `json:"zone,omitempty"`
}

// Sprite is one piece as it lies.
type Sprite struct {
	ID         PieceID
	Part       int8
	Marks      Marks
	Drawing    string // "one", "ten", "hundred", "thousand", "bead"
	X, Y, W, H int32
	Zone       string
	Text       string // what is written on the piece
}

// alike reports whether two sprites of a piece differ in their place alone.
func (s *Sprite) alike(t *Sprite) bool {
	there := *t
	there.X, there.Y = s.X, s.Y
	return *s == there
}

// Left reports whether a sprite differs from what it was before only in that it lost its ring.
func (s *Sprite) Left(before Sprite) bool {
	before.Marks &^= MarkRinged | 0xff<<8
	return *s == before
}

// Changes are the pieces by which one layout differs from another.
type Changes struct {
	Changed []*Sprite // new, or other than before
	Moved   []Moved   // the same elsewhere
	Removed []PieceID
}

// Moved is a piece that only lies elsewhere, and by how much.
type Moved struct {
	*Sprite
	DX, DY int32
}

// ChangesTo compares two layouts of a model.
func (l Layout) ChangesTo(now Layout) Changes {
	var c Changes
	was := indexByID(l.Pieces)
	for i := range now.Pieces {
		p := &now.Pieces[i]
		j := was.take(p.ID)
		if j < 0 {
			c.Changed = append(c.Changed, p)
			continue
		}
		before := &l.Pieces[j]
		dx, dy := p.X-before.X, p.Y-before.Y
		switch {
		case !before.alike(p):
			c.Changed = append(c.Changed, p)
		case dx != 0 || dy != 0:
			c.Moved = append(c.Moved, Moved{p, dx, dy})
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
type Marks uint16

// The marks. A crossed, taken or spent piece is not in play.
const (
	MarkCrossed Marks = 1 << iota
	MarkTaken
	MarkSpent // bundled into another piece; left as a trace
	MarkNew   // just made, until it is counted
	MarkRinged
	MarkAlternate // the second of a model's two colours
	MarkCopy      // a copy to look at; not in play
)

// MaxRings is how many rings there can be on a model at a time.
const MaxRings = 12

// Ringed marks a piece as standing in a ring, from 1. Pieces of one ring are
// drawn in one line where they lie together.
func Ringed(ring int8) Marks {
	if ring == 0 {
		return 0
	}
	return MarkRinged | Marks(ring)<<8
}

// Zone is a part of a model that can be covered and that says its count.
type Zone struct {
	ID         string // what it is, and its number where there are several: "group 2"
	Label      string // a place's or a row's name
	Count      int
	Text       string // said in place of the count, as of a track
	X, Y, W, H int
	Place      *place.Place // of a column: the place of its pieces
	Side       bool         // one side of a row: covered by name, not labelled
	Hidden     bool         // its count is held back: it lies under a cover
	// Offer is the verb that the zone carries at its foot, if any.
	Offer *Offer
}

// Is is what the zone is, and its number from 1 where there are several, else 0. Columns
// are known by their place.
func (z Zone) Is() (role string, number int) {
	if z.Place != nil {
		return "column", 0
	}
	role, rest, _ := strings.Cut(z.ID, " ")
	number, _ = strconv.Atoi(rest)
	return role, number
}

// Move moves all that is laid.
func (l *Layout) Move(dx, dy int) {
	for i := range l.Zones {
		l.Zones[i].X, l.Zones[i].Y = l.Zones[i].X+dx, l.Zones[i].Y+dy
	}
	for i := range l.Decor {
		l.Decor[i].X, l.Decor[i].Y = l.Decor[i].X+dx, l.Decor[i].Y+dy
	}
	for i := range l.Pieces {
		l.Pieces[i].X, l.Pieces[i].Y = l.Pieces[i].X+int32(dx), l.Pieces[i].Y+int32(dy)
	}
}

// Lay is the layout of model i, with as much room as a board for building has.
func (b Board) Lay(i int) Layout { return b.LayIn(i, Room{}) }

// LayIn is the layout of model i in a room.
func (b Board) LayIn(i int, room Room) Layout {
	l := LayIn(b.Models[i], room)
	if room.Tight {
		for _, m := range b.Tiles[i].Kept {
			kept := LayKept(m, room)
			l.Room.Kept.W += kept.W + KeptGap
			l.Room.Kept.H = max(l.Room.Kept.H, kept.H)
		}
	}
	return l
}

// LayKept is the layout of a copy that is kept beside a model which is laid in a room.
func LayKept(m Model, room Room) Layout { return LayIn(m, Room{Tight: room.Tight}) }

// LayOut is the layout of a model.
func LayOut(m Model) Layout { return LayIn(m, Room{}) }

// LayIn is the layout of a model in a room: as large as the room at least.
func LayIn(m Model, room Room) Layout {
	spec, _ := SpecOf(m.Kind())
	l := spec.Layout(m, room)
	l.Room.Tight, l.Room.Way, l.Room.W, l.Room.H = room.Tight, room.Way, l.W, l.H
	l.W, l.H = max(l.W, room.W), max(l.H, room.H)
	if room.Tight {
		for i := range l.Pieces {
			side := int(min(l.Pieces[i].W, l.Pieces[i].H))
			if l.Room.Least == 0 || side < l.Room.Least {
				l.Room.Least = side
			}
		}
		l.Room.Stacks = max(room.Stacks, len(l.stacks()))
		l.Room.Reach = l.reach()
	}
	return l
}

// How single pieces lie in a larger picture: in rows of five, two to a stack of ten.
const (
	five       = 5
	stackGap   = 8 // between stacks
	ringRoom   = 4 // of a ring round them
	fewStacks  = 4 // so many stand two beside one another, more three
	besideFew  = 2
	besideMany = 3
)

// stacks are the single pieces of the column of ones, stack by stack: what stands under one
// another without a gap wider than a piece.
func (l Layout) stacks() [][]Sprite {
	var out [][]Sprite
	for _, p := range l.Pieces {
		if !p.isStacked() {
			continue
		}
		on := slices.IndexFunc(out, func(stack []Sprite) bool {
			last := stack[len(stack)-1]
			return last.X == p.X && p.Y > last.Y && p.Y-last.Y < 2*p.H
		})
		if on < 0 {
			out = append(out, []Sprite{p})
		} else {
			out[on] = append(out[on], p)
		}
	}
	return out
}

func (s *Sprite) isStacked() bool { return s.Drawing == "one" && s.Zone == place.Ones.Plural() }

// InFives are the single pieces of the column of ones as a larger picture has them, where the stacks that
// they stand in are too high for it: each stack in rows of five.
func (l Layout) InFives() []Sprite {
	beside := besideFew
	if l.Room.Stacks > fewStacks {
		beside = besideMany
	}
	var out []Sprite
	for k, stack := range l.stacks() {
		pitch := stack[0].W + 1
		x, y := int32(k%beside)*(five*pitch+stackGap), int32(k/beside)*(2*pitch+stackGap)
		for i, p := range stack {
			p.X, p.Y = x+int32(i%five)*pitch, y+int32(i/five)*pitch
			out = append(out, p)
		}
	}
	return out
}

// reach is how far the pieces in each column reach from its corner, single ones as they lie in
// fives.
func (l Layout) reach() map[string]Size {
	far := map[string]Size{}
	for _, z := range l.Zones {
		if z.Place == nil {
			continue
		}
		for i := range l.Pieces {
			if p := &l.Pieces[i]; p.Zone == z.ID && !p.isStacked() {
				at := far[z.ID]
				far[z.ID] = Size{max(at.W, int(p.X+p.W)-z.X), max(at.H, int(p.Y+p.H)-z.Y)}
			}
		}
	}
	for _, p := range l.InFives() {
		at := far[p.Zone]
		far[p.Zone] = Size{max(at.W, int(p.X+p.W)+2*ringRoom), max(at.H, int(p.Y+p.H)+2*ringRoom)}
	}
	return far
}
