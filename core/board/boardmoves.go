package board

import (
	"slices"

	"unitbloom/core/say"
)

// CoverArgs name what to cover.
type CoverArgs struct {
	// A column (ones), a row (row 1), one side of it (row 1 left), or all; all when left out.
	Zone string `json:"zone,omitempty"`
	// A rectangle of the zone, in model units from its corner; the whole zone when left out.
	At *Rect `json:"at,omitempty"`
}

// UncoverArgs name what to show again.
type UncoverArgs struct {
	// Every cover of this zone; all covers of the model when left out.
	Zone string `json:"zone,omitempty"`
	// One cover of the board, counted from 0.
	Index *int `json:"index,omitempty" jsonschema:"minimum=0"`
}

// MoveCoverArgs bring a cover elsewhere, or to another size.
type MoveCoverArgs struct {
	// The cover, counted from 0.
	Index int `json:"index" jsonschema:"required,minimum=0"`
	// The zone that the rectangle lies on; all when left out.
	Zone string `json:"zone,omitempty"`
	// Where it lies then, in model units from the zone's corner.
	At Rect `json:"at" jsonschema:"required"`
}

// ModelArgs name a model kind.
type ModelArgs struct {
	// The kind of the new model.
	Of string `json:"of" jsonschema:"required"`
}

// TitleArgs hold a model's title.
type TitleArgs struct {
	// The title above the model; empty for none.
	Title string `json:"title" jsonschema:"required,maxLength=200"`
}

// WidthArgs hold a tile's share of the board.
type WidthArgs struct {
	// Hundredths of an even share.
	Share int `json:"share" jsonschema:"required,minimum=30,maximum=300"`
}

// ToArgs hold a place in the row of models.
type ToArgs struct {
	// The model's new place, counted from 0.
	To int `json:"to" jsonschema:"minimum=0,maximum=3"`
}

// WithArgs name another model.
type WithArgs struct {
	// The model whose number this one takes on, counted from 0.
	With int `json:"with" jsonschema:"required,minimum=0,maximum=3"`
}

// IndexArgs name one of a list.
type IndexArgs struct {
	// Which one, counted from 0.
	Index int `json:"index" jsonschema:"minimum=0"`
}

// BesideArgs list read-outs.
type BesideArgs struct {
	// Ids of the read-outs that stand on the board beside the model.
	ReadOuts []string `json:"readouts" jsonschema:"required,maxItems=4"`
}

// HoldBackArgs say what of a model the teacher reveals.
type HoldBackArgs struct {
	// When the counts over columns and beside rows stand there: on reveal or never; always when left out.
	Counts Shown `json:"counts,omitempty" jsonschema:"enum=reveal,enum=never"`
	// Ids of the read-outs that stand beside the model once they are revealed, in their order.
	ReadOuts []string `json:"readouts" jsonschema:"required,maxItems=4"`
}

// NoArgs is for moves without parameters.
type NoArgs struct{}

// boardMoves are the moves of the board itself. They only look: the number of
// every model that stays is unchanged.
var boardMoves []MoveSpec

// The moves refer to the registry that holds them, hence init.
func init() {
	two := "blocks 1h 4t 6o | rack 2: 3"
	boardMoves = []MoveSpec{
		boardMove("cover", "Lay a cover over a zone of a model, or over any rectangle of it. Its number is not read out "+
			"until it is shown again.", two, CoverArgs{Zone: "ones"}, cover),
		boardMove("uncover", "Show again what is covered: one cover, a zone, or all of a model.", two, UncoverArgs{}, uncover,
			Move{Kind: "cover", Args: CoverArgs{Zone: "ones"}}),
		boardMove("moveCover", "Move a cover, or change its size.", two, MoveCoverArgs{At: Rect{10, 10, 60, 60}}, moveCover,
			Move{Kind: "cover", Args: CoverArgs{}}),
		boardMove("addModel", "Put another model beside the others.", two, ModelArgs{Of: "rack"}, addModel),
		boardMove("removeModel", "Put a model away with its pieces.", two, NoArgs{}, removeModel),
		boardMove("title", "Write a title above a model.", two, TitleArgs{Title: "Bulbs"}, title),
		boardMove("width", "Give a model more or less of the board.", two, WidthArgs{150}, width),
		boardMove("reorder", "Bring a model to another place in the row.", two, ToArgs{1}, reorder),
		boardMove("link", "Two models show one number from now on: this one takes on the other's. Changing one changes "+
			"the other.", "blocks 1t 4o | rack 2: 3", WithArgs{1}, link),
		boardMove("unlink", "A model shows its own number again.", "blocks 1t 4o | rack 2: 3", NoArgs{}, unlink,
			Move{Kind: "link", Args: WithArgs{1}}),
		boardMove("keep", "Keep a copy of the model as it is, frozen beside it and not counted.", two, NoArgs{}, keepCopy),
		boardMove("allWays", "All ways to make the number of two parts stand beside it, frozen and not counted.",
			"counters 5", NoArgs{},
			allWays),
		boardMove("dropKept", "Put a kept copy away.", two, IndexArgs{}, dropKept, Move{Kind: "keep"}),
		boardMove("beside", "Choose the read-outs that stand on the board beside the model.", two,
			BesideArgs{[]string{"expanded"}}, beside),
		boardMove("holdBack", "Choose what waits until it is revealed: the counts, and read-outs beside the model.", two,
			HoldBackArgs{OnReveal, []string{"numeral"}}, holdBack),
	}
	boardTable = tableOf(boardMoves)
}

func boardMove[A any](kind, doc, board string, example A, apply func(Board, int, A, *Tx) (Board, error),
	before ...Move) MoveSpec {
	var zero A
	spec := MoveSpec{Kind: kind, Doc: doc, Laws: []LawKind{Looks}, Args: zero, Board: board, Before: before,
		Example: example}
	if kind == "link" {
		spec.Laws = []LawKind{Sets}
	}
	spec.apply = func(b Board, model int, args any, t *Tx) (Board, error) {
		if kind != "addModel" && !b.has(model) {
			return b, b.noModel(model)
		}
		return apply(b, model, args.(A), t)
	}
	spec.law = func(b Board, _ int, args any) (Law, error) {
		if a, ok := args.(WithArgs); ok && kind == "link" && b.has(a.With) {
			return Law{Kind: Sets, Value: Total(b.Models[a.With])}, nil
		}
		return Law{Kind: Looks}, nil
	}
	return spec
}

func (b Board) has(i int) bool { return i >= 0 && i < len(b.Models) }

func (b Board) noModel(i int) error {
	return say.Refuse("no-model", say.Int("n", say.Given, i+1), say.Int("count", say.Given, len(b.Models)))
}

func cover(b Board, i int, a CoverArgs, t *Tx) (Board, error) {
	if a.Zone == "" {
		a.Zone = AllZone
	}
	if !hasZone(b.Models[i], a.Zone) {
		return b, say.Refuse("no-zone", say.Text("zone", say.Given, a.Zone))
	}
	if a.At != nil {
		if err := a.At.check(); err != nil {
			return b, BadField("at", err.Error())
		}
	}
	c := Cover{i, a.Zone, a.At}
	if len(b.Covers) == MaxCovers {
		return b, say.Refuse("covers-full", say.Int("most", say.Given, MaxCovers))
	}
	if !slices.ContainsFunc(b.Covers, c.same) {
		b.Covers = append(slices.Clone(b.Covers), c)
	}
	t.Say("did.covered", say.Text("zone", say.Name, coverName(b, c)))
	return b, nil
}

// coverName says what is covered, without what is under it.
func coverName(b Board, c Cover) string {
	spec, _ := SpecOf(b.Models[c.Model].Kind())
	switch {
	case c.At != nil:
		return "a part of the " + spec.Noun
	case c.Zone == AllZone:
		return "the " + spec.Noun
	}
	return c.Zone
}

func uncover(b Board, i int, a UncoverArgs, t *Tx) (Board, error) {
	if a.Index != nil {
		if *a.Index < 0 || *a.Index >= len(b.Covers) {
			return b, say.Refuse("no-cover", say.Int("n", say.Given, *a.Index+1))
		}
		t.Say("did.uncovered", say.Text("zone", say.Name, coverName(b, b.Covers[*a.Index])))
		b.Covers = slices.Delete(slices.Clone(b.Covers), *a.Index, *a.Index+1)
		return b, nil
	}
	t.Say("did.uncovered", say.Text("zone", say.Name, coverName(b, Cover{Model: i, Zone: orAll(a.Zone)})))
	b.Covers = slices.DeleteFunc(slices.Clone(b.Covers), func(c Cover) bool {
		return c.Model == i && (a.Zone == "" || c.Zone == a.Zone)
	})
	return b, nil
}

func orAll(zone string) string {
	if zone == "" {
		return AllZone
	}
	return zone
}

func moveCover(b Board, i int, a MoveCoverArgs, t *Tx) (Board, error) {
	if a.Index < 0 || a.Index >= len(b.Covers) {
		return b, say.Refuse("no-cover", say.Int("n", say.Given, a.Index+1))
	}
	a.Zone = orAll(a.Zone)
	if !hasZone(b.Models[i], a.Zone) {
		return b, say.Refuse("no-zone", say.Text("zone", say.Given, a.Zone))
	}
	if err := a.At.check(); err != nil {
		return b, BadField("at", err.Error())
	}
	b.Covers = slices.Clone(b.Covers)
	b.Covers[a.Index] = Cover{i, a.Zone, &a.At}
	t.Say("did.cover-moved")
	return b, nil
}

func addModel(b Board, _ int, a ModelArgs, t *Tx) (Board, error) {
	spec, ok := SpecOf(a.Of)
	if !ok {
		return b, BadField("of", "there is no model called \""+a.Of+"\". Models are "+kindsList())
	}
	if len(b.Models) == MaxModels {
		return b, say.Refuse("models-full")
	}
	m := spec.New(t.ids)
	if err := t.CheckRoom(m.Pieces()); err != nil {
		return b, err
	}
	b.Models = append(slices.Clone(b.Models), m)
	b.Tiles = append(slices.Clone(b.Tiles), Tile{})
	t.Say("did.model", say.Text("model", say.Name, spec.Noun))
	return b, nil
}

func removeModel(b Board, i int, _ NoArgs, t *Tx) (Board, error) {
	if len(b.Models) == 1 {
		return b, say.Refuse("last-model")
	}
	spec, _ := SpecOf(b.Models[i].Kind())
	t.Say("did.gone", say.Text("model", say.Name, spec.Noun))
	b.Models = slices.Delete(slices.Clone(b.Models), i, i+1)
	b.Tiles = slices.Delete(slices.Clone(b.Tiles), i, i+1)
	b.Covers = b.coversAt(Renumbered(Move{Kind: "removeModel", Model: i}, len(b.Models)+1))
	return b.unlinkLonely(), nil
}

// coversAt are the covers with their models renumbered; those at -1 are gone.
func (b Board) coversAt(now func(model int) int) []Cover {
	var kept []Cover
	for _, c := range b.Covers {
		if c.Model = now(c.Model); c.Model >= 0 {
			kept = append(kept, c)
		}
	}
	return kept
}

func title(b Board, i int, a TitleArgs, t *Tx) (Board, error) {
	if len([]rune(a.Title)) > 200 {
		return b, BadField("title", "a title has at most 200 letters")
	}
	t.Say("did.titled")
	return b.tile(i, func(x *Tile) { x.Title = a.Title }), nil
}

func width(b Board, i int, a WidthArgs, t *Tx) (Board, error) {
	if a.Share < MinWidth || a.Share > MaxWidth {
		return b, BadCount(a.Share, MinWidth, MaxWidth)
	}
	t.Say("did.width")
	return b.tile(i, func(x *Tile) { x.Width = a.Share }), nil
}

// Renumbered tells where the models of a board go in a move that was made: the
// new number of each, -1 for one that is gone. It is nil when none moves.
func Renumbered(mv Move, models int) func(int) int {
	switch mv.Kind {
	case "removeModel":
		return func(model int) int {
			switch {
			case model == mv.Model:
				return -1
			case model > mv.Model:
				return model - 1
			}
			return model
		}
	case "reorder":
		args, err := mv.argsLike(ToArgs{})
		if err != nil {
			return nil
		}
		order := newOrder(models, mv.Model, args.(ToArgs).To)
		return func(model int) int { return slices.Index(order, model) }
	}
	return nil
}

// newOrder lists which model stands at each place when one goes elsewhere.
func newOrder(models, from, to int) []int {
	var order []int
	for k := range models {
		if k != from {
			order = append(order, k)
		}
	}
	return slices.Insert(order, min(to, len(order)), from)
}

func reorder(b Board, i int, a ToArgs, t *Tx) (Board, error) {
	if !b.has(a.To) {
		return b, b.noModel(a.To)
	}
	order := newOrder(len(b.Models), i, a.To)
	was := b
	b.Models, b.Tiles = make([]Model, len(order)), make([]Tile, len(order))
	for to, from := range order {
		b.Models[to], b.Tiles[to] = was.Models[from], was.Tiles[from]
	}
	b.Covers = b.coversAt(func(model int) int { return slices.Index(order, model) })
	spec, _ := SpecOf(was.Models[i].Kind())
	t.Say("did.reordered", say.Text("model", say.Name, spec.Noun), say.Int("n", say.Given, a.To+1))
	return b, nil
}

func link(b Board, i int, a WithArgs, t *Tx) (Board, error) {
	if !b.has(a.With) || a.With == i {
		return b, b.noModel(a.With)
	}
	spec, _ := SpecOf(b.Models[i].Kind())
	m, err := spec.Follow(b.Models[i], b.Models[a.With].InPlay(), t)
	if err != nil {
		return b, err
	}
	b = b.with(i, m)
	t.room = MaxPieces - b.Pieces()
	for _, k := range []int{i, a.With} {
		b = b.tile(k, func(x *Tile) { x.Linked = true })
	}
	// Models linked before take on the number too.
	for k := range b.Models {
		if b.Tiles[k].Linked && k != i && k != a.With {
			b = b.followOne(k, m.InPlay(), t)
		}
	}
	t.Say("did.linked")
	return b, nil
}

func unlink(b Board, i int, _ NoArgs, t *Tx) (Board, error) {
	t.Say("did.unlinked")
	return b.tile(i, func(x *Tile) { x.Linked = false }).unlinkLonely(), nil
}

func keepCopy(b Board, i int, _ NoArgs, t *Tx) (Board, error) {
	if b.IsCovered(i) {
		return b, say.Refuse("covered") // the copy would lie open
	}
	if len(b.Tiles[i].Kept) == MaxKept {
		return b, say.Refuse("kept-full", say.Int("n", say.Given, MaxKept))
	}
	if err := t.CheckRoom(b.Models[i].Pieces()); err != nil {
		return b, err
	}
	t.Say("did.kept")
	return b.tile(i, func(x *Tile) { x.Kept = append(slices.Clone(x.Kept), b.Models[i]) }), nil
}

// allWays keeps all ways of a model's number beside it: the number stays what it is.
func allWays(b Board, i int, _ NoArgs, t *Tx) (Board, error) {
	spec, _ := SpecOf(b.Models[i].Kind())
	if spec.AllWays == nil {
		return b, say.Refuse("no-ways", say.Text("model", say.Name, spec.Noun))
	}
	if b.IsCovered(i) {
		return b, say.Refuse("covered")
	}
	if len(b.Tiles[i].Kept) == MaxKept {
		return b, say.Refuse("kept-full", say.Int("n", say.Given, MaxKept))
	}
	ways, err := spec.AllWays(b.Models[i], t)
	if err != nil {
		return b, err
	}
	if err := t.CheckRoom(ways.Pieces()); err != nil {
		return b, err
	}
	return b.tile(i, func(x *Tile) { x.Kept = append(slices.Clone(x.Kept), ways) }), nil
}

func dropKept(b Board, i int, a IndexArgs, t *Tx) (Board, error) {
	if a.Index < 0 || a.Index >= len(b.Tiles[i].Kept) {
		return b, say.Refuse("no-kept", say.Int("n", say.Given, a.Index+1))
	}
	t.Say("did.dropped-kept")
	return b.tile(i, func(x *Tile) { x.Kept = slices.Delete(slices.Clone(x.Kept), a.Index, a.Index+1) }), nil
}

func beside(b Board, i int, a BesideArgs, t *Tx) (Board, error) {
	if err := b.knowsReadOuts(i, a.ReadOuts); err != nil {
		return b, err
	}
	t.Say("did.beside")
	return b.tile(i, func(x *Tile) { x.Beside = slices.Clone(a.ReadOuts) }), nil
}

func holdBack(b Board, i int, a HoldBackArgs, t *Tx) (Board, error) {
	if err := b.knowsReadOuts(i, a.ReadOuts); err != nil {
		return b, err
	}
	if err := a.Counts.check(); err != nil {
		return b, BadField("counts", err.Error())
	}
	t.Say("did.held-back")
	return b.tile(i, func(x *Tile) { x.Counts, x.Held = a.Counts, slices.Clone(a.ReadOuts) }), nil
}

// knowsReadOuts refuses read-outs that model i has not.
func (b Board) knowsReadOuts(i int, ids []string) error {
	var known []string
	for _, r := range b.ReadOuts(i, say.Vocabulary{}) {
		known = append(known, r.ID)
	}
	for _, id := range ids {
		if !slices.Contains(known, id) {
			return BadField("readouts", id+" is not a read-out of this model. It has "+orNone(known))
		}
	}
	return nil
}
