package blocks

import (
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// ViewArgs choose columns or an open mat.
type ViewArgs struct {
	// columns or mat.
	View string `json:"view" jsonschema:"required,enum=columns,enum=mat"`
}

// StyleArgs choose solid blocks or a sketch.
type StyleArgs struct {
	// solid or sketch.
	Style string `json:"style" jsonschema:"required,enum=solid,enum=sketch"`
}

// ColourArgs choose what the colours tell.
type ColourArgs struct {
	// place, addend or plain.
	By string `json:"by" jsonschema:"required,enum=place,enum=addend,enum=plain"`
}

// NamesArgs show or hide the names of the places.
type NamesArgs struct {
	// Whether the strip is shown.
	Shown bool `json:"shown"`
}

// build also parts the addends again.
func build(h pieces.Holder, a pieces.AmountArgs, t *board.Tx) (pieces.Holder, error) {
	next, err := kit.Build(h, a, t)
	if err != nil {
		return h, err
	}
	b := next.(Blocks)
	b.Joined = nil
	return b, nil
}

// join puts the addends of a place together; apart parts them again.
func (b Blocks) join(a pieces.PlaceArgs, t *board.Tx) (Blocks, error) {
	if !kit.Has(a.Place) {
		return b, kit.NoPiece(a.Place)
	}
	if !b.isJoined(a.Place) {
		b.Joined = append(slices.Clone(b.Joined), a.Place)
	}
	// Addends lie in their order, and blocks made on the way come last.
	b.Ordered = slices.Clone(b.Ordered)
	slices.SortStableFunc(b.Ordered, func(x, y pieces.Piece) int {
		if x.Place != y.Place || x.Place != a.Place {
			return int(y.Place) - int(x.Place)
		}
		return pieces.PartOrder(x) - pieces.PartOrder(y)
	})
	t.Say("did.joined", say.PlaceName("place", a.Place))
	return b, nil
}

func (b Blocks) apart(a pieces.PlaceArgs, t *board.Tx) (Blocks, error) {
	if !kit.Has(a.Place) {
		return b, kit.NoPiece(a.Place)
	}
	b.Joined = slices.DeleteFunc(slices.Clone(b.Joined), func(p place.Place) bool { return p == a.Place })
	t.Say("did.apart", say.PlaceName("place", a.Place))
	return b, nil
}

// tidy puts loose blocks into their slots, takes rings and marks off, and puts
// copies and the traces of bundled blocks away.
func (b Blocks) tidy(_ board.NoArgs, t *board.Tx) (Blocks, error) {
	t.Say("did.tidied")
	return b.with(pieces.Tidy(b.Ordered)), nil
}

func (b Blocks) clear(_ board.NoArgs, t *board.Tx) (Blocks, error) {
	t.Say("did.cleared")
	b.Ordered, b.Joined = nil, nil
	return b, nil
}

func lay(h pieces.Holder, a pieces.LayArgs, t *board.Tx) (pieces.Holder, error) {
	if !h.(Blocks).Mat {
		return h, say.Refuse("not-mat")
	}
	return kit.LayFree(h, a, t)
}

// turn lays blocks on their side, or stands them up again, where they lie or on the free mat beside
// the others: what lay side by side comes to lie under one another.
func (b Blocks) turn(a pieces.PiecesArgs, t *board.Tx) (Blocks, error) {
	if !b.Mat {
		return b, say.Refuse("not-mat")
	}
	found, err := kit.FindPlaying(b.Ordered, a.Pieces)
	if err != nil {
		return b, err
	}
	ids := pieces.IDs(found)
	to := turnedTo(board.LayOut(b), ids)
	t.Say("did.turned-round", say.Form("form", say.Amount, pieces.FormOf(found)))
	return b.with(pieces.Change(b.Ordered, ids, func(k *pieces.Piece) {
		k.Loose, k.Turned = true, !k.Turned
		k.X, k.Y = pieces.ClampX(to[k.ID][0]), pieces.ClampY(to[k.ID][1])
	})), nil
}

// turnedTo is where pieces lie when they are turned together round their corner: there, or to the
// right of the others, or below them, wherever they hide none. Where nothing is free they lie there.
func turnedTo(l board.Layout, ids []board.PieceID) map[board.PieceID][2]int {
	var turned, others []board.Sprite
	for _, s := range l.Pieces {
		if slices.Contains(ids, s.ID) {
			turned = append(turned, s)
		} else if s.Zone == board.MatZone {
			others = append(others, s)
		}
	}
	x, y, right, bottom := bounds(turned)
	wide, high := bottom-y, right-x
	free := func(at [2]int) bool {
		return at[0]+wide <= l.W && at[1]+high <= l.H && !slices.ContainsFunc(others, func(o board.Sprite) bool {
			return at[0] < int(o.X+o.W) && int(o.X) < at[0]+wide && at[1] < int(o.Y+o.H) && int(o.Y) < at[1]+high
		})
	}
	_, _, rightmost, lowest := bounds(others)
	at := [2]int{x, y}
	spots := [][2]int{at, {rightmost + groupGap, y}, {pad, lowest + pad}}
	if i := slices.IndexFunc(spots, free); i >= 0 {
		at = spots[i]
	}
	to := map[board.PieceID][2]int{}
	for _, s := range turned {
		to[s.ID] = [2]int{at[0] + int(s.Y) - y, at[1] + int(s.X) - x}
	}
	return to
}

// bounds are the sides of the box round pieces.
func bounds(list []board.Sprite) (left, top, right, bottom int) {
	for i, s := range list {
		if i == 0 {
			left, top = int(s.X), int(s.Y)
		}
		left, top = min(left, int(s.X)), min(top, int(s.Y))
		right, bottom = max(right, int(s.X+s.W)), max(bottom, int(s.Y+s.H))
	}
	return left, top, right, bottom
}

func (b Blocks) view(a ViewArgs, t *board.Tx) (Blocks, error) {
	name := map[string]string{"columns": "in columns", "mat": "on an open mat"}[a.View]
	if name == "" {
		return b, board.BadOption("view", a.View, "columns or mat")
	}
	if b.Mat = a.View == "mat"; !b.Mat {
		b.Ordered = pieces.Each(b.Ordered, func(k *pieces.Piece) { k.Turned = false }) // in columns each stands as it does
	}
	t.Say("did.view", say.Text("view", say.Name, name))
	return b, nil
}

func (b Blocks) style(a StyleArgs, t *board.Tx) (Blocks, error) {
	name := map[string]string{"solid": "as solid blocks", "sketch": "as a sketch"}[a.Style]
	if name == "" {
		return b, board.BadOption("style", a.Style, "solid or sketch")
	}
	b.Sketch = a.Style == "sketch"
	t.Say("did.view", say.Text("view", say.Name, name))
	return b, nil
}

func (b Blocks) colour(a ColourArgs, t *board.Tx) (Blocks, error) {
	name := map[string]string{"place": "coloured by place", "addend": "coloured by addend", "plain": "plain"}[a.By]
	if name == "" {
		return b, board.BadOption("by", a.By, "place, addend or plain")
	}
	if b.Colour = a.By; a.By == "place" {
		b.Colour = ""
	}
	t.Say("did.view", say.Text("view", say.Name, name))
	return b, nil
}

func (b Blocks) names(a NamesArgs, t *board.Tx) (Blocks, error) {
	b.Names = a.Shown
	t.Say("did.view", say.Text("view", say.Name, map[bool]string{true: "with the names of the places",
		false: "without names"}[a.Shown]))
	return b, nil
}

func (b Blocks) traces(a pieces.TracesArgs, t *board.Tx) (Blocks, error) {
	b.Traces = a.Shown
	t.Say("did.view", say.Text("view", say.Name, pieces.TracesName(a.Shown)))
	return b, nil
}

func (b Blocks) columns(a pieces.PlaceArgs, t *board.Tx) (Blocks, error) {
	if !kit.Has(a.Place) {
		return b, kit.NoPiece(a.Place)
	}
	b.UpTo = a.Place
	t.Say("did.view", say.Text("view", say.Name, "up to "+a.Place.Plural()))
	return b, nil
}
