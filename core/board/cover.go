package board

import (
	"errors"
	"fmt"
	"maps"
	"reflect"
	"slices"

	"unitbloom/core/place"
	"unitbloom/core/say"
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
	// A rectangle in model units from the zone's corner; the whole zone when left out.
	At *Rect `json:"at,omitempty"`
}

func (c Cover) same(d Cover) bool {
	if c.Model != d.Model || c.Zone != d.Zone || (c.At == nil) != (d.At == nil) {
		return false
	}
	return c.At == nil || *c.At == *d.At
}

// The zones that models share: all of it, the open mat, and the tray.
const (
	AllZone = "all"
	MatZone = "mat"
	// TakenZone is the tray of what was taken away.
	TakenZone = "taken"
)

// Covering is a cover as it lies on its model's layout.
type Covering struct {
	Index int // in Board.Covers
	Cover
	Rect
}

// CoversOn are the covers of model i where they lie.
func (b Board) CoversOn(i int) []Covering { return b.CoversIn(i, Room{}) }

// CoversIn are the covers of model i where they lie in a room.
func (b Board) CoversIn(i int, room Room) []Covering {
	if !b.IsCovered(i) {
		return nil
	}
	return b.coversOn(i, b.LayIn(i, room))
}

func (b Board) coversOn(i int, l Layout) []Covering {
	var list []Covering
	for k, c := range b.Covers {
		if c.Model != i {
			continue
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

// HasFreeCover reports whether a cover lies where it was put, on whatever lies there: then
// the models lie as loose as for building, or something else would come under it.
func (b Board) HasFreeCover() bool {
	return slices.ContainsFunc(b.Covers, func(c Cover) bool { return c.At != nil })
}

func hasZone(m Model, id string) bool {
	_, ok := LayOut(m).zone(id)
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

// Shown is the layout of model i as it may leave the core: what lies under a cover
// is taken out of it, its counts and captions are held back, and so is the tray of
// what was taken away, since that came from there. Outer sizes stay, so that nothing
// jumps. Whatever is drawn, said, counted or selected of a board is asked here.
func (b Board) Shown(i int) Layout { return b.ShownIn(i, Room{}) }

// ShownIn is Shown, laid in a room.
func (b Board) ShownIn(i int, room Room) Layout {
	l := b.LayIn(i, room)
	covers := b.coversOn(i, l)
	if len(covers) == 0 {
		return l
	}
	hides := func(x, y, w, h int) bool {
		return slices.ContainsFunc(covers, func(c Covering) bool { return c.hides(x+w/2, y+h/2) })
	}
	var pieces []Sprite
	for _, p := range l.Pieces {
		if p.Zone != TakenZone && !hides(int(p.X), int(p.Y), int(p.W), int(p.H)) {
			pieces = append(pieces, p)
		}
	}
	l.Pieces = pieces
	var decor []Decor
	for _, d := range l.Decor {
		if slices.ContainsFunc(covers, func(c Covering) bool {
			return c.hides(d.X, d.Y) &&
				c.hides(d.X+max(d.W, 1)-1, d.Y+max(d.H, 1)-1)
		}) {
			continue
		}
		if d.Text != "" && slices.ContainsFunc(covers, func(c Covering) bool { return l.touches(c, d.Zone) }) {
			d.Text = ""
		}
		decor = append(decor, d)
	}
	l.Decor = decor
	l.Counts = maps.Clone(l.Counts)
	for name := range l.Counts {
		l.Counts[name] = Hidden
	}
	l.Zones = slices.Clone(l.Zones)
	for k := range l.Zones {
		z := &l.Zones[k]
		if z.ID == TakenZone || slices.ContainsFunc(covers, func(c Covering) bool { return c.overlaps(*z) }) {
			z.Count, z.Text, z.Hidden = 0, "", true
		}
	}
	return l
}

// hides reports whether a point lies under the cover: a piece is hidden when its
// middle is.
func (c Covering) hides(x, y int) bool {
	return x >= c.Rect.X && x < c.Rect.X+c.Rect.W && y >= c.Rect.Y && y < c.Rect.Y+c.Rect.H
}

func (c Covering) overlaps(z Zone) bool {
	return c.Rect.X < z.X+z.W && z.X < c.Rect.X+c.Rect.W && c.Rect.Y < z.Y+z.H && z.Y < c.Rect.Y+c.Rect.H
}

func (l Layout) touches(c Covering, zone string) bool {
	z, ok := l.zone(zone)
	return ok && c.overlaps(z)
}

// cloak holds back what a move on a covered model would give away by what it says.
type cloak struct {
	on bool
	// open says that what the move is about lies open: it names pieces one by one that
	// are all in sight, or places of which no piece is hidden. What is said of those is
	// no secret.
	open bool
	err  error // the move names a piece that nobody has seen
}

func (b Board) cloakOf(mv Move) cloak {
	if !b.has(mv.Model) || !b.IsCovered(mv.Model) {
		return cloak{}
	}
	c := cloak{on: true}
	spec, args, err := b.find(mv)
	if err != nil {
		return c
	}
	if ids := spec.idsIn(args); len(ids) > 0 {
		seen := b.ShownIDs(mv.Model)
		c.open = true
		for _, id := range ids {
			if !seen[id] {
				c.err = say.Refuse("unknown-piece", say.Int("n", say.Given, int(id)))
			}
		}
		return c
	}
	places, ok := placesIn(args)
	c.open = ok && !b.mayHide(mv.Model, places)
	return c
}

// mayHide reports whether a piece in play of one of the places could lie hidden: where
// nothing is covered but columns of other places, none does.
func (b Board) mayHide(model int, places []place.Place) bool {
	return slices.ContainsFunc(b.Shown(model).Zones, func(z Zone) bool {
		return z.Hidden && z.ID != TakenZone && (z.Place == nil || slices.Contains(places, *z.Place))
	})
}

// placesIn are the places that parameters name, by themselves or in selectors of
// pieces in play; ok is false where they name others, or none.
func placesIn(args any) (places []place.Place, ok bool) {
	v := reflect.ValueOf(args)
	for i := range v.NumField() {
		switch f := v.Field(i).Interface().(type) {
		case place.Place:
			places = append(places, f)
		case []Select:
			for _, sel := range f {
				if sel.State != "" && sel.State != "play" {
					return nil, false
				}
				places = append(places, sel.Place)
			}
		}
	}
	return places, len(places) > 0
}

// ShownIDs are the pieces of a model that are in sight.
func (b Board) ShownIDs(model int) map[PieceID]bool {
	seen := map[PieceID]bool{}
	for _, p := range b.Shown(model).Pieces {
		seen[p.ID] = true
	}
	return seen
}

// said is what is announced. What was asked for may be said; what was found may not.
func (c cloak) said(m say.Message) say.Message {
	found := m.Has(say.Amount) || m.Has(say.Part) || m.Has(say.Answer)
	if !c.on || c.open || !found {
		return m
	}
	return say.New("did.covered-act")
}

// openCodes are the refusals that speak of the request alone, and namedCodes those
// that speak of the pieces that it is about: they would be the same whatever lies under
// a cover.
var (
	openCodes = []string{
		"unknown-move", "no-model", "bad-field", "bad-option", "bad-count", "bad-number", "no-piece", "no-larger",
		"no-smaller",
		"no-cover", "no-zone", "not-mat", "kept-full", "no-kept", "models-full", "last-model", "covers-full", "covered",
		"two-colours",
		"counters-whole", "no-row", "rack-whole", "cubes-whole", "columns-span", "no-frame", "no-frames", "no-group",
		"no-groups",
		"only-copy", "unknown-piece",
	}
	namedCodes = []string{"too-few", "mixed-places", "none-here", "only-here", "spent"}
)

// refusal is a refusal that never tells what is covered, not by its reason either.
func (c cloak) refusal(err error) error {
	var r *say.Refusal
	if !c.on || errors.As(err, &r) && (slices.Contains(openCodes, r.Code) || c.open &&
		slices.Contains(namedCodes, r.Code)) {
		return err
	}
	return say.Refuse("under-cover")
}
