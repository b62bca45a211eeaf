package lesson

import (
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Focus is what a step looks at: zones and pieces of models, and cells of the written
// work. What it names stands in full light.
type Focus struct {
	// Zones of models, like ones or row 1.
	Zones []ZoneOf `json:"zones,omitempty" jsonschema:"maxItems=60"`
	// Pieces of models.
	Pieces []PieceOf `json:"pieces,omitempty" jsonschema:"maxItems=60"`
	// Cells of the written method.
	Cells []CellAt `json:"cells,omitempty" jsonschema:"maxItems=200"`
}

// ZoneOf is a zone of a model, counted from 0.
type ZoneOf struct {
	Model int    `json:"model,omitempty" jsonschema:"minimum=0,maximum=3"`
	Zone  string `json:"zone" jsonschema:"required,maxLength=60"`
}

// PieceOf is some pieces of a model, counted from 0.
type PieceOf struct {
	Model  int          `json:"model,omitempty" jsonschema:"minimum=0,maximum=3"`
	Select board.Select `json:"select" jsonschema:"required"`
}

// CellAt is a cell of the written method; the sign's column has no place.
type CellAt struct {
	Row   string       `json:"row" jsonschema:"required,maxLength=40"`
	Place *place.Place `json:"place,omitempty"`
}

// FocusAt is what step i of the scene looks at: what it says itself, or else where its
// moves change something and what it writes; where nothing changes, the places that it
// speaks of. A question about what is to be seen then, which names no place, is about all
// that lies there: how many are left is not answered by those that went.
func (s Scene) FocusAt(i int) Focus {
	if i < 0 || i >= len(s.Steps) {
		return Focus{}
	}
	step := s.Steps[i]
	if step.Focus != nil {
		return *step.Focus
	}
	var f Focus
	before, at := s.At(i)
	after, err := board.ApplyAll(before, step.Moves)
	if err == nil && at == i {
		for m := range after.Models {
			f.changed(before, after, m)
		}
		if len(f.Zones) > 0 && step.asksOfAll(after) {
			f.everywhere(after)
		}
	}
	for _, w := range step.Write {
		if w.Kind == "cell" {
			f.Cells = append(f.Cells, CellAt{w.Row, w.Place})
		}
		for _, sel := range w.Stands {
			f.Pieces = append(f.Pieces, PieceOf{Select: sel})
		}
	}
	if len(f.Zones)+len(f.Cells) == 0 {
		f.spokenOf(before, step.Say.Message, step.Ask.Message, step.Look.Message)
		return f
	}
	if step.Asks == say.Decide {
		f.spokenOf(before, step.Say.Message, step.Ask.Message)
	}
	f.underMarks(s.Steps[:i], spoken(step.Say.Message, step.Ask.Message))
	return f
}

// underMarks adds, where a step writes marks alone, the digits that they are written over, and
// those of the places that it speaks of: a mark is made for their sake.
func (f *Focus) underMarks(before []Step, places []place.Place) {
	if slices.ContainsFunc(f.Cells, func(c CellAt) bool { return c.Row != "mark" }) || len(f.Cells) == 0 {
		return
	}
	for _, c := range f.Cells {
		if c.Place != nil {
			places = append(places, *c.Place)
		}
	}
	for _, step := range before {
		for _, w := range step.Write {
			if w.Kind == "cell" && w.Place != nil && slices.Contains(places, *w.Place) {
				f.Cells = append(f.Cells, CellAt{w.Row, w.Place})
			}
		}
	}
}

// asksOfAll reports whether a step asks about what is to be seen, and names no place of it.
func (s Step) asksOfAll(b board.Board) bool {
	about := []say.Message{s.Ask.Message}
	switch s.Asks {
	case say.Look, say.Say, say.Check:
	case say.Predict:
		about = append(about, s.Say.Message) // which digits will change is not shown by a light
	default:
		return false
	}
	var named Focus
	named.spokenOf(b, about...)
	return len(named.Zones) == 0
}

// everywhere adds all zones of a board.
func (f *Focus) everywhere(b board.Board) {
	for m := range b.Models {
		for _, zone := range b.Lay(m).Zones {
			if z := (ZoneOf{m, zone.ID}); !slices.Contains(f.Zones, z) {
				f.Zones = append(f.Zones, z)
			}
		}
	}
}

// changed adds the zones of a model in which a piece came, went or became another, and those
// that it came from. A ring that goes elsewhere leaves a piece that is looked at no more.
func (f *Focus) changed(before, after board.Board, m int) {
	var was board.Layout
	if m < len(before.Models) {
		was = before.Lay(m)
	}
	now := after.Lay(m)
	c := was.ChangesTo(now)
	add := func(zone string) {
		z := ZoneOf{m, zone}
		if zone != "" && !slices.Contains(f.Zones, z) {
			f.Zones = append(f.Zones, z)
		}
	}
	gone := map[board.PieceID]bool{}
	for _, id := range c.Removed {
		gone[id] = true
	}
	old := map[board.PieceID]board.Sprite{}
	for _, p := range was.Pieces {
		old[p.ID] = p
	}
	for _, p := range c.Changed {
		if before, ok := old[p.ID]; ok && p.Left(before) {
			continue
		}
		add(p.Zone)
		gone[p.ID] = true
	}
	// And where they came from.
	for _, p := range was.Pieces {
		if gone[p.ID] {
			add(p.Zone)
		}
	}
}

// spokenOf adds the columns of the places that messages name, on each model that has them.
func (f *Focus) spokenOf(b board.Board, messages ...say.Message) {
	for _, p := range spoken(messages...) {
		for i := range b.Models {
			z := ZoneOf{i, p.Plural()}
			has := slices.ContainsFunc(b.Lay(i).Zones, func(zone board.Zone) bool { return zone.ID == z.Zone })
			if has && !slices.Contains(f.Zones, z) {
				f.Zones = append(f.Zones, z)
			}
		}
	}
}

// spoken are the places that messages name, but for those of an answer.
func spoken(messages ...say.Message) []place.Place {
	var out []place.Place
	for _, m := range messages {
		out = append(out, m.Places()...)
	}
	return out
}
