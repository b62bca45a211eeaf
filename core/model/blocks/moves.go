package blocks

import (
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// AmountArgs are a typed number or unit form, for an addend or for none.
type AmountArgs struct {
	Amount string `json:"amount" jsonschema:"required" jsonschema_description:"A number (146) or a unit form (14 tens 6 ones)."`
	Part   int    `json:"part,omitempty" jsonschema:"minimum=0,maximum=4" jsonschema_description:"The addend that the blocks belong to; 0 for none."`
}

// PiecesArgs name the blocks that a move is about.
type PiecesArgs struct {
	Pieces []board.Select `json:"pieces" jsonschema:"required" jsonschema_description:"Which blocks."`
}

// BundleArgs name ten blocks of a place.
type BundleArgs struct {
	Place  place.Place    `json:"place" jsonschema:"required" jsonschema_description:"The place of the small blocks."`
	Pieces []board.Select `json:"pieces,omitempty" jsonschema_description:"Which blocks; the lowest slots in play when left out."`
	Trace  bool           `json:"trace,omitempty" jsonschema_description:"Leave the bundled blocks crossed out, out of play."`
}

// UnbundleArgs name large blocks to open.
type UnbundleArgs struct {
	Place  place.Place    `json:"place" jsonschema:"required" jsonschema_description:"The place of the large block."`
	Count  int            `json:"count,omitempty" jsonschema:"minimum=0,maximum=300" jsonschema_description:"How many blocks; 1 when left out."`
	Pieces []board.Select `json:"pieces,omitempty" jsonschema_description:"Which blocks; the lowest slots in play when left out."`
	To     *place.Place   `json:"to,omitempty" jsonschema_description:"Open all the way down to this place; the next smaller when left out."`
}

// PlaceArgs name a place.
type PlaceArgs struct {
	Place place.Place `json:"place" jsonschema:"required" jsonschema_description:"The place."`
}

// LayArgs move blocks on the open mat.
type LayArgs struct {
	Pieces []board.Select `json:"pieces" jsonschema:"required" jsonschema_description:"Which blocks."`
	DX     int            `json:"dx" jsonschema_description:"To the right, in model units."`
	DY     int            `json:"dy" jsonschema_description:"Down, in model units."`
}

// ViewArgs choose columns or an open mat.
type ViewArgs struct {
	View string `json:"view" jsonschema:"required,enum=columns,enum=mat" jsonschema_description:"columns or mat."`
}

// StyleArgs choose solid blocks or a sketch.
type StyleArgs struct {
	Style string `json:"style" jsonschema:"required,enum=solid,enum=sketch" jsonschema_description:"solid or sketch."`
}

func (b Blocks) build(a AmountArgs, t *board.Turn) (Blocks, error) {
	form, err := parseForm(a)
	if err != nil {
		return b, err
	}
	empty := b
	empty.Ordered, empty.Joined = nil, nil
	if form.Pieces() > board.MaxPieces {
		return b, tooMany(form)
	}
	if err := t.Room(form.Pieces() - len(b.Ordered)); err != nil {
		return b, err
	}
	t.Say("did.built", say.Form("form", say.Amount, form))
	return empty.insertForm(form, a.Part, t), nil
}

func (b Blocks) place(a AmountArgs, t *board.Turn) (Blocks, error) {
	form, err := parseForm(a)
	if err != nil {
		return b, err
	}
	if form.Pieces() > board.MaxPieces {
		return b, tooMany(form)
	}
	if err := t.Room(form.Pieces()); err != nil {
		return b, err
	}
	t.Say("did.placed", say.Form("pieces", say.Amount, form))
	return b.insertForm(form, a.Part, t), nil
}

func (b Blocks) insertForm(form place.UnitForm, part int, t *board.Turn) Blocks {
	var added []Block
	for _, c := range form {
		added = append(added, newBlocks(c.Place, c.Count, part, t.TakeIDs(c.Count))...)
	}
	return b.insert(added...)
}

func tooMany(form place.UnitForm) error {
	return say.Refuse("too-many-pieces", say.Int("n", say.Given, form.Pieces()), say.Int("limit", say.Given, board.MaxPieces))
}

func parseForm(a AmountArgs) (place.UnitForm, error) {
	form, err := place.ParseAmount(a.Amount)
	if err != nil {
		return nil, say.Refuse("bad-number", say.Text("reason", say.Given, err.Error()+"."))
	}
	for _, c := range form {
		// A number above 9,999 is still built, in thousands.
		if c.Place > Largest && !isUnitForm(a.Amount) {
			return thousandsForm(form), checkPart(a.Part)
		}
		if c.Place < Smallest || c.Place > Largest {
			return nil, noBlock(c.Place)
		}
	}
	return form, checkPart(a.Part)
}

func isUnitForm(s string) bool { _, err := place.Parse(s); return err != nil }

func thousandsForm(form place.UnitForm) place.UnitForm {
	total, _ := form.Total()
	return place.FromCounts(func(p place.Place) int {
		switch {
		case p == Largest:
			return total.Count(Largest)
		case p < Largest:
			return total.Digit(p)
		}
		return 0
	})
}

func checkPart(part int) error {
	if part < 0 || part > MaxPart {
		return badCount(part, 0, MaxPart)
	}
	return nil
}

// amountLaw is the value of the amount, as adds or as sets.
func amountLaw(kind board.LawKind) func(Blocks, AmountArgs) (board.Law, error) {
	return func(_ Blocks, a AmountArgs) (board.Law, error) {
		form, err := place.ParseAmount(a.Amount)
		if err != nil {
			return board.Law{}, err
		}
		v, err := form.Total()
		return board.Law{Kind: kind, Value: v}, err
	}
}

// piecesLaw is the value of the blocks named, as adds or as takes. Blocks that
// are not in play are worth nothing to a take.
func piecesLaw(kind board.LawKind, counts func(State) bool) func(Blocks, PiecesArgs) (board.Law, error) {
	return func(b Blocks, a PiecesArgs) (board.Law, error) {
		found, err := b.findAll(a.Pieces)
		if err != nil {
			return board.Law{}, err
		}
		found = slices.DeleteFunc(found, func(k Block) bool { return !counts(k.State) })
		v, err := formOf(found).Total()
		return board.Law{Kind: kind, Value: v}, err
	}
}

func inPlay(s State) bool { return s == Play }

// setState makes a move that brings blocks from some states to another.
func setState(to State, did string, from ...State) func(Blocks, PiecesArgs, *board.Turn) (Blocks, error) {
	return func(b Blocks, a PiecesArgs, t *board.Turn) (Blocks, error) {
		found, err := b.findAll(a.Pieces)
		if err != nil {
			return b, err
		}
		if err := allIn(found, from...); err != nil {
			return b, err
		}
		t.Say(did, say.Form("form", say.Amount, formOf(found)))
		return b.change(idsOf(found), func(k *Block) {
			k.State, k.New, k.Ringed = to, false, false
			if to != Play {
				k.Loose = k.Loose && to == Crossed
			}
		}), nil
	}
}

func (b Blocks) remove(a PiecesArgs, t *board.Turn) (Blocks, error) {
	found, err := b.findAll(a.Pieces)
	if err != nil {
		return b, err
	}
	t.Say("did.removed", say.Form("form", say.Amount, formOf(found)))
	return b.without(idsOf(found)), nil
}

// Bundle makes ten blocks of a place into one of the next. What is over ten
// stays; with fewer than ten nothing changes and the refusal says how many more
// are needed.
func (b Blocks) Bundle(a BundleArgs, t *board.Turn) (Blocks, error) {
	ten, err := b.ten(a)
	if err != nil {
		return b, err
	}
	made := Block{ID: t.NewID(), Place: ten[0].Place + 1, Part: commonPart(ten), New: true}
	made.Loose, made.X, made.Y = centre(ten)
	ids := idsOf(ten)
	if a.Trace {
		// The new block counts for no addend: the traces still show theirs.
		made.Part = 0
		b = b.change(ids, func(k *Block) { k.State, k.Ringed = Spent, false })
	} else {
		b = b.without(ids)
	}
	t.Became(ids, []board.PieceID{made.ID})
	t.Say("did.bundled", say.Pieces("from", say.Amount, 10, ten[0].Place), say.Pieces("to", say.Amount, 1, made.Place))
	return b.insert(made), nil
}

// ten is the first ten blocks to bundle.
func (b Blocks) ten(a BundleArgs) ([]Block, error) {
	if a.Place < Smallest || a.Place > Largest {
		return nil, noBlock(a.Place)
	}
	if a.Place == Largest {
		return nil, say.Refuse("no-larger", say.PlaceName("place", Largest))
	}
	pool, _ := b.pool(board.Select{Place: a.Place})
	if len(a.Pieces) > 0 {
		found, err := b.findAll(a.Pieces)
		if err != nil {
			return nil, err
		}
		if err := allIn(found, Play); err != nil {
			return nil, err
		}
		if slices.ContainsFunc(found, func(k Block) bool { return k.Place != a.Place }) {
			return nil, say.Refuse("mixed-places")
		}
		pool = found
	}
	if len(pool) < 10 {
		return nil, say.Refuse("too-few", say.Pieces("here", say.Amount, len(pool), a.Place),
			say.PlaceName("ten", a.Place+1), say.Int("more", say.Given, 10-len(pool)))
	}
	return pool[:10], nil
}

func commonPart(blocks []Block) int8 {
	for _, k := range blocks {
		if k.Part != blocks[0].Part {
			return 0
		}
	}
	return blocks[0].Part
}

// centre is where a new block lies when the blocks it comes from lay loose.
func centre(blocks []Block) (loose bool, x, y int32) {
	n := int32(0)
	for _, k := range blocks {
		if k.Loose {
			n, x, y = n+1, x+k.X, y+k.Y
		}
	}
	if n == 0 {
		return false, 0, 0
	}
	return true, x / n, y / n
}

// Unbundle opens blocks into ten of the next smaller place each, or all the way
// down to a smaller one.
func (b Blocks) Unbundle(a UnbundleArgs, t *board.Turn) (Blocks, error) {
	to, err := a.target()
	if err != nil {
		return b, err
	}
	found, err := b.toOpen(a)
	if err != nil {
		return b, err
	}
	each := 1
	for p := to; p < a.Place; p++ {
		each *= 10
	}
	if err := t.Room(len(found) * (each - 1)); err != nil {
		return b, err
	}
	out := b.without(idsOf(found))
	var added []Block
	for _, k := range found {
		small := newBlocks(to, each, int(k.Part), t.TakeIDs(each))
		t.Became([]board.PieceID{k.ID}, idsOf(small))
		added = append(added, small...)
	}
	t.Say("did.unbundled", say.Pieces("from", say.Amount, len(found), a.Place), say.Pieces("to", say.Amount, each*len(found), to))
	return out.insert(added...), nil
}

func (a UnbundleArgs) target() (place.Place, error) {
	if a.Place < Smallest || a.Place > Largest {
		return 0, noBlock(a.Place)
	}
	if a.Place == Smallest {
		return 0, say.Refuse("no-smaller", say.PlaceName("place", a.Place))
	}
	if a.To == nil {
		return a.Place - 1, nil
	}
	if *a.To < Smallest || *a.To >= a.Place {
		return 0, noBlock(*a.To)
	}
	return *a.To, nil
}

func (b Blocks) toOpen(a UnbundleArgs) ([]Block, error) {
	if len(a.Pieces) == 0 {
		return b.find(board.Select{Place: a.Place, Count: cmpOr(a.Count, 1)})
	}
	found, err := b.findAll(a.Pieces)
	if err != nil {
		return nil, err
	}
	if slices.ContainsFunc(found, func(k Block) bool { return k.Place != a.Place }) {
		return nil, say.Refuse("mixed-places")
	}
	return found, allIn(found, Play)
}

func cmpOr(n, otherwise int) int {
	if n == 0 {
		return otherwise
	}
	return n
}

// join puts the addends of a place together; apart parts them again.
func (b Blocks) join(a PlaceArgs, t *board.Turn) (Blocks, error) {
	if a.Place < Smallest || a.Place > Largest {
		return b, noBlock(a.Place)
	}
	if !b.isJoined(a.Place) {
		b.Joined = append(slices.Clone(b.Joined), a.Place)
	}
	// Addends lie in their order, and blocks made on the way come last.
	b.Ordered = slices.Clone(b.Ordered)
	slices.SortStableFunc(b.Ordered, func(x, y Block) int {
		if x.Place != y.Place || x.Place != a.Place {
			return int(y.Place) - int(x.Place)
		}
		return partOrder(x) - partOrder(y)
	})
	t.Say("did.joined", say.PlaceName("place", a.Place))
	return b, nil
}

func partOrder(k Block) int {
	if k.Part == 0 {
		return MaxPart + 1
	}
	return int(k.Part)
}

func (b Blocks) apart(a PlaceArgs, t *board.Turn) (Blocks, error) {
	if a.Place < Smallest || a.Place > Largest {
		return b, noBlock(a.Place)
	}
	b.Joined = slices.DeleteFunc(slices.Clone(b.Joined), func(p place.Place) bool { return p == a.Place })
	t.Say("did.apart", say.PlaceName("place", a.Place))
	return b, nil
}

func (b Blocks) ring(a PiecesArgs, t *board.Turn) (Blocks, error) {
	found, err := b.findAll(a.Pieces)
	if err != nil {
		return b, err
	}
	if err := allIn(found, Play); err != nil {
		return b, err
	}
	t.Say("did.ringed", say.Form("form", say.Amount, formOf(found)))
	b = b.plain(func(k *Block) { k.Ringed = false })
	return b.change(idsOf(found), func(k *Block) { k.Ringed = true }), nil
}

// plain is b with f applied to every block.
func (b Blocks) plain(f func(*Block)) Blocks {
	b.Ordered = slices.Clone(b.Ordered)
	for i := range b.Ordered {
		f(&b.Ordered[i])
	}
	return b
}

func (b Blocks) counted(_ board.NoArgs, t *board.Turn) (Blocks, error) {
	t.Say("did.counted")
	return b.plain(func(k *Block) { k.New = false }), nil
}

// tidy puts loose blocks into their slots, takes rings and marks off, and puts
// the traces of bundled blocks away.
func (b Blocks) tidy(_ board.NoArgs, t *board.Turn) (Blocks, error) {
	t.Say("did.tidied")
	b = b.plain(func(k *Block) { k.Loose, k.X, k.Y, k.Ringed, k.New = false, 0, 0, false, false })
	b.Ordered = slices.DeleteFunc(b.Ordered, func(k Block) bool { return k.State == Spent })
	return b, nil
}

func (b Blocks) clear(_ board.NoArgs, t *board.Turn) (Blocks, error) {
	t.Say("did.cleared")
	b.Ordered, b.Joined = nil, nil
	return b, nil
}

func (b Blocks) lay(a LayArgs, t *board.Turn) (Blocks, error) {
	if !b.Mat {
		return b, say.Refuse("not-mat")
	}
	found, err := b.findAll(a.Pieces)
	if err != nil {
		return b, err
	}
	at := map[board.PieceID]board.Sprite{}
	for _, s := range layout(b).Pieces {
		at[s.ID] = s
	}
	t.Say("did.moved", say.Form("form", say.Amount, formOf(found)))
	return b.change(idsOf(found), func(k *Block) {
		k.Loose = true
		k.X, k.Y = clampX(int(at[k.ID].X)+a.DX), clampY(int(at[k.ID].Y)+a.DY)
	}), nil
}

func (b Blocks) view(a ViewArgs, t *board.Turn) (Blocks, error) {
	name := map[string]string{"columns": "in columns", "mat": "on an open mat"}[a.View]
	if name == "" {
		return b, choice("view", a.View, "columns or mat")
	}
	b.Mat = a.View == "mat"
	t.Say("did.view", say.Text("view", say.Name, name))
	return b, nil
}

func (b Blocks) style(a StyleArgs, t *board.Turn) (Blocks, error) {
	name := map[string]string{"solid": "as solid blocks", "sketch": "as a sketch"}[a.Style]
	if name == "" {
		return b, choice("style", a.Style, "solid or sketch")
	}
	b.Sketch = a.Style == "sketch"
	t.Say("did.view", say.Text("view", say.Name, name))
	return b, nil
}

func (b Blocks) columns(a PlaceArgs, t *board.Turn) (Blocks, error) {
	if a.Place < Smallest || a.Place > Largest {
		return b, noBlock(a.Place)
	}
	b.UpTo = a.Place
	t.Say("did.view", say.Text("view", say.Name, "up to "+a.Place.Plural()))
	return b, nil
}

func choice(option, value, choices string) error {
	return say.Refuse("bad-option", say.Text("option", say.Given, option), say.Text("value", say.Given, value), say.Text("choices", say.Given, choices))
}
