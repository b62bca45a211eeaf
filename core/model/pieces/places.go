package pieces

import (
	"slices"
	"strings"
	"unicode"

	"unitbloom/core/board"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// AmountArgs are a typed number or unit form, for an addend or for none.
type AmountArgs struct {
	// A number (146), a unit form (14 tens 6 ones), or to build at once, addends (146 + 87).
	Amount string `json:"amount" jsonschema:"required"`
	// The addend that the pieces belong to; 0 for none.
	Part int `json:"part,omitempty" jsonschema:"minimum=0,maximum=4"`
}

// Lay is the move that places so many pieces of a place.
func Lay(count int, p place.Place, part int) []board.Move {
	return []board.Move{{Kind: "place", Args: AmountArgs{Amount: place.Count{Place: p, Count: count}.String(),
		Part: part}}}
}

// BundleArgs name ten pieces of a place.
type BundleArgs struct {
	// The place of the small pieces.
	Place place.Place `json:"place" jsonschema:"required"`
	// Which pieces; the lowest slots in play when left out.
	Pieces []board.Select `json:"pieces,omitempty"`
	// Leave the bundled pieces crossed out, out of play.
	Trace bool `json:"trace,omitempty"`
}

// UnbundleArgs name large pieces to open.
type UnbundleArgs struct {
	// The place of the large piece.
	Place place.Place `json:"place" jsonschema:"required"`
	// How many pieces; 1 when left out.
	Count int `json:"count,omitempty" jsonschema:"minimum=0,maximum=300"`
	// Which pieces; the lowest slots in play when left out.
	Pieces []board.Select `json:"pieces,omitempty"`
	// Leave what was opened as a trace, out of play.
	Trace bool `json:"trace,omitempty"`
	// Open all the way down to this place, place by place; the next smaller when left out.
	To *place.Place `json:"to,omitempty"`
}

// PlaceArgs name a place.
type PlaceArgs struct {
	// The place.
	Place place.Place `json:"place" jsonschema:"required"`
}

// StepArgs are a step of one up or down at a place.
type StepArgs struct {
	// The place that goes up or down by one.
	Place place.Place `json:"place" jsonschema:"required"`
	// Down rather than up.
	Down bool `json:"down,omitempty"`
}

// OpenArgs name the place that all is opened to.
type OpenArgs struct {
	// The place; ones when left out.
	To place.Place `json:"to"`
}

// Placing are the moves of pieces that have places: building, bundling,
// unbundling, and steps of one more and one less.
func (k Kit) Placing(empty, many string) []board.MoveSpec {
	next := k.Least + 1
	if k.Has(place.Tens) {
		next = place.Tens
	}
	return []board.MoveSpec{
		Move("build", "Put the number on the board at once, in place of what is there.", board.Sets,
			k.AmountLaw(board.Sets), k.Build, empty, AmountArgs{Amount: "14 tens 6 ones"}),
		Move("place", "Put an amount on the board beside what is there.", board.Adds, k.AmountLaw(board.Adds), k.place,
			empty, AmountArgs{Amount: "46"}),
		board.Rule[Holder, BundleArgs]{
			Kind: "bundle", Doc: "Ten pieces of a place become one of the next.", Laws: []board.LawKind{board.Keeps},
			Apply: k.Bundle, Saved: k.savedBundle, Board: many, Example: BundleArgs{Place: next - 1},
		}.Spec(),
		board.Rule[Holder, UnbundleArgs]{
			Kind: "unbundle", Doc: "A piece becomes ten of the next smaller place, or is opened further, place by place.",
			Laws:  []board.LawKind{board.Keeps},
			Apply: k.Unbundle, Saved: k.savedUnbundle, Board: k.Sample, Example: UnbundleArgs{Place: next},
		}.Spec(),
		board.Rule[Holder, StepArgs]{
			Kind: "step", Doc: "One more or one less at a place, crossing tens and hundreds by a bundle or an unbundle that " +
				"is seen.",
			Laws: []board.LawKind{board.Adds, board.Takes}, Law: stepLaw, Apply: k.step, Board: k.Sample,
			Example: StepArgs{Place: next},
		}.Spec(),
		Move("openAll", "Show all that is in play in ones, or in another place.", board.Keeps, nil, k.openAll, k.Sample,
			OpenArgs{}),
		Move("fewest", "Bundle wherever there are ten or more: the fewest pieces that show the number.", board.Keeps, nil,
			k.fewest, many, board.NoArgs{}),
	}
}

// Build puts an amount on the board in place of what is there. Numbers parted
// by a plus sign are addends, each in its part.
func (k Kit) Build(m Holder, a AmountArgs, t *board.Tx) (Holder, error) {
	forms, err := k.addends(a, k.laidTo(m))
	if err != nil {
		return m, err
	}
	n := 0
	for _, form := range forms {
		n += form.Pieces()
	}
	if err := t.CheckRoom(n - len(m.Held())); err != nil {
		return m, err
	}
	var list []Piece
	var addends []place.Number
	for i, form := range forms {
		part := a.Part
		if len(forms) > 1 {
			part = i + 1
		}
		list = append(list, Make(form, part, t)...)
		worth, err := form.Total()
		if err != nil {
			return m, board.BadNumber(err)
		}
		addends = append(addends, worth)
	}
	built := say.Form("form", say.Given, FormOf(list))
	if len(addends) > 1 {
		built = say.Sum("form", say.Given, addends)
	}
	t.Say("did.built", built)
	next := m.With(Insert(nil, list...))
	if _, err := next.InPlay().Total(); err != nil {
		return m, board.BadNumber(err)
	}
	return next, nil
}

// laidTo is the largest place that amounts are laid in on a model: further columns that
// are shown, or hold a piece, are used too.
func (k Kit) laidTo(m Holder) place.Place {
	if k.Laid == place.Ones {
		return k.Most
	}
	top := k.Laid
	if shows, ok := m.(interface{ ShownTo() place.Place }); ok {
		top = max(top, min(shows.ShownTo(), k.Most))
	}
	for _, c := range InPlay(m.Held()) {
		top = max(top, c.Place)
	}
	return top
}

// addends reads "146 + 87" as two amounts, and anything else as one.
func (k Kit) addends(a AmountArgs, top place.Place) ([]place.UnitForm, error) {
	texts := []string{a.Amount}
	if !hasWords(a.Amount) {
		texts = strings.Split(a.Amount, "+")
	}
	if len(texts) > k.Parts {
		return nil, board.BadCount(len(texts), 1, k.Parts)
	}
	forms := make([]place.UnitForm, len(texts))
	for i, text := range texts {
		form, err := k.form(AmountArgs{text, a.Part}, top)
		if err != nil {
			return nil, err
		}
		forms[i] = form
	}
	return forms, nil
}

func (k Kit) place(m Holder, a AmountArgs, t *board.Tx) (Holder, error) {
	form, err := k.form(a, k.laidTo(m))
	if err != nil {
		return m, err
	}
	if err := t.CheckRoom(form.Pieces()); err != nil {
		return m, err
	}
	t.Say("did.placed", say.Form("pieces", say.Given, form))
	return m.With(Insert(m.Held(), Make(form, a.Part, t)...)), nil
}

// Make gives the pieces of a unit form new ids.
func Make(form place.UnitForm, part int, t *board.Tx) []Piece {
	var added []Piece
	for _, c := range form {
		added = append(added, Many(c.Place, c.Count, part, t.TakeIDs(c.Count))...)
	}
	return added
}

// hasWords tells a unit form from a numeral.
func hasWords(amount string) bool { return strings.ContainsFunc(amount, unicode.IsLetter) }

// form reads an amount. A numeral whose digits reach past the largest piece is
// built of more of the largest.
func (k Kit) form(a AmountArgs, top place.Place) (place.UnitForm, error) {
	form, err := place.ParseAmount(a.Amount)
	if err != nil {
		return nil, board.BadNumber(err)
	}
	if a.Part < 0 || a.Part > k.Parts {
		return nil, board.BadCount(a.Part, 0, k.Parts)
	}
	if !hasWords(a.Amount) {
		form = Hold(form, top)
	}
	for _, c := range form {
		if !k.Has(c.Place) {
			return nil, k.NoPiece(c.Place)
		}
	}
	if n := form.Pieces(); n > board.MaxPieces {
		return nil, say.Refuse("too-many-pieces", say.Int("n", say.Given, n), say.Int("limit", say.Given, board.MaxPieces))
	}
	return form, nil
}

// Hold is the form with everything above a place in that place.
func Hold(form place.UnitForm, top place.Place) place.UnitForm {
	over := 0
	for _, c := range form {
		if c.Place > top {
			each := 1
			for p := top; p < c.Place; p++ {
				each *= 10
			}
			over += c.Count * each
		}
	}
	if over == 0 {
		return form
	}
	return place.FromCounts(func(p place.Place) int {
		switch {
		case p > top:
			return 0
		case p == top:
			return over + form.Of(p)
		}
		return form.Of(p)
	})
}

// AmountLaw is the value of an amount, as adds or as sets.
func (k Kit) AmountLaw(kind board.LawKind) func(Holder, AmountArgs) (board.Law, error) {
	return func(m Holder, a AmountArgs) (board.Law, error) {
		forms, err := k.addends(a, k.laidTo(m))
		if err != nil {
			return board.Law{}, err
		}
		v, err := slices.Concat(forms...).Total()
		return board.Law{Kind: kind, Value: v}, err
	}
}

// Bundle makes ten pieces of a place into one of the next. What is over ten
// stays; with fewer than ten nothing changes and the refusal says how many more
// are needed.
func (k Kit) Bundle(m Holder, a BundleArgs, t *board.Tx) (Holder, error) {
	ten, err := k.ten(m.Held(), a)
	if err != nil {
		return m, err
	}
	list, made := bundleTen(m.Held(), ten, a.Trace || leaves(m), t)
	t.Say("did.bundled", say.Pieces("from", say.Given, 10, a.Place), say.Pieces("to", say.Given, 1, made.Place))
	return m.With(list), nil
}

// bundleTen replaces ten pieces by one of the next place.
func bundleTen(list, ten []Piece, trace bool, t *board.Tx) ([]Piece, Piece) {
	made := Piece{ID: t.NewID(), Place: ten[0].Place + 1, Part: CommonPart(ten), Group: commonGroup(ten), New: true}
	made.Loose, made.X, made.Y = centre(ten)
	ids := IDs(ten)
	if trace {
		// The new piece counts for no addend: the traces still show theirs.
		made.Part = 0
		list = Change(list, ids, func(p *Piece) { p.State, p.Ring = Spent, 0 })
	} else {
		list = Without(list, ids)
	}
	t.Became(ids, []board.PieceID{made.ID})
	return Insert(list, made), made
}

// ten is the first ten pieces to bundle.
func (k Kit) ten(list []Piece, a BundleArgs) ([]Piece, error) {
	if !k.Has(a.Place) {
		return nil, k.NoPiece(a.Place)
	}
	if a.Place == k.Most {
		return nil, say.Refuse("no-larger", say.Text("noun", say.Name, k.Noun), say.PlaceName("place", k.Most))
	}
	pool, _ := k.Pool(list, board.Select{Place: a.Place})
	if len(a.Pieces) > 0 {
		found, err := k.FindPlaying(list, a.Pieces)
		if err != nil {
			return nil, err
		}
		if slices.ContainsFunc(found, func(p Piece) bool { return p.Place != a.Place }) {
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

func commonGroup(list []Piece) int8 {
	for _, k := range list {
		if k.Group != list[0].Group {
			return 0
		}
	}
	return list[0].Group
}

// centre is where a new piece lies when the pieces it comes from lay loose.
func centre(list []Piece) (loose bool, x, y int32) {
	n := int32(0)
	for _, k := range list {
		if k.Loose {
			n, x, y = n+1, x+k.X, y+k.Y
		}
	}
	if n == 0 {
		return false, 0, 0
	}
	return true, x / n, y / n
}

// Unbundle opens pieces into ten of the next smaller place each, or further
// down, with a stage at each place on the way.
func (k Kit) Unbundle(m Holder, a UnbundleArgs, t *board.Tx) (Holder, error) {
	to, err := k.target(a)
	if err != nil {
		return m, err
	}
	found, err := k.toOpen(m.Held(), a)
	if err != nil {
		return m, err
	}
	each := 1
	for p := to; p < a.Place; p++ {
		each *= 10
	}
	trace := a.Trace || leaves(m)
	more := each - 1
	if trace {
		more = (each - 1) * 10 / 9 // what was opened on the way stays too
	}
	if err := t.CheckRoom(len(found) * more); err != nil {
		return m, err
	}
	count := len(found)
	for p := a.Place; p > to; p-- {
		var list []Piece
		list, found = openOnce(m.Held(), found, trace, t)
		m = m.With(list)
		if p-1 > to {
			t.Stage(m)
		}
	}
	role := say.Given
	if len(a.Pieces) > 0 {
		role = say.Amount
	}
	t.Say("did.unbundled", say.Pieces("from", role, count, a.Place), say.Pieces("to", role, each*count, to))
	return m, nil
}

// openOnce replaces each piece by ten of the next smaller place. As a trace it stays where
// it lay, out of play.
func openOnce(list, found []Piece, trace bool, t *board.Tx) (now, made []Piece) {
	if trace {
		list = Change(list, IDs(found), func(p *Piece) { p.State, p.Opened, p.New, p.Ring = Spent, true, false, 0 })
	} else {
		list = Without(list, IDs(found))
	}
	for _, p := range found {
		small := Many(p.Place-1, 10, int(p.Part), t.TakeIDs(10))
		for i := range small {
			small[i].Group = p.Group
		}
		t.Became([]board.PieceID{p.ID}, IDs(small))
		made = append(made, small...)
	}
	return Insert(list, slices.Clone(made)...), made
}

func (k Kit) target(a UnbundleArgs) (place.Place, error) {
	if !k.Has(a.Place) {
		return 0, k.NoPiece(a.Place)
	}
	if a.Place == k.Least {
		return 0, say.Refuse("no-smaller", say.Text("noun", say.Name, k.Noun), say.PlaceName("place", a.Place))
	}
	if a.To == nil {
		return a.Place - 1, nil
	}
	if *a.To < k.Least || *a.To >= a.Place {
		return 0, k.NoPiece(*a.To)
	}
	return *a.To, nil
}

func (k Kit) toOpen(list []Piece, a UnbundleArgs) ([]Piece, error) {
	if len(a.Pieces) == 0 {
		return k.Find(list, board.Select{Place: a.Place, Count: max(a.Count, 1)})
	}
	found, err := k.FindAll(list, a.Pieces)
	if err != nil {
		return nil, err
	}
	if slices.ContainsFunc(found, func(p Piece) bool { return p.Place != a.Place }) {
		return nil, say.Refuse("mixed-places")
	}
	return found, AllIn(found, Play)
}

func (k Kit) savedBundle(m Holder, a BundleArgs) (BundleArgs, error) {
	sels, err := k.Saved(m.Held(), a.Pieces)
	a.Pieces = sels
	return a, err
}

func (k Kit) savedUnbundle(m Holder, a UnbundleArgs) (UnbundleArgs, error) {
	sels, err := k.Saved(m.Held(), a.Pieces)
	a.Pieces = sels
	return a, err
}

func stepLaw(_ Holder, a StepArgs) (board.Law, error) {
	if a.Down {
		return board.Law{Kind: board.Takes, Value: a.Place.Value()}, nil
	}
	return board.Law{Kind: board.Adds, Value: a.Place.Value()}, nil
}

// step adds or takes one at a place. Ten of a place are bundled at once, and
// where there is none to take, one of the next is opened; each is a stage.
func (k Kit) step(m Holder, a StepArgs, t *board.Tx) (Holder, error) {
	if !k.Has(a.Place) {
		return m, k.NoPiece(a.Place)
	}
	name := []say.Value{say.Pieces("one", say.Given, 1, a.Place)}
	if a.Down {
		t.Say("did.less", name...)
		return k.stepDown(m, a.Place, t)
	}
	t.Say("did.more", name...)
	if err := t.CheckRoom(1); err != nil {
		return m, err
	}
	if _, err := add(m, a.Place.Value()); err != nil {
		return m, board.BadNumber(err)
	}
	list := Insert(m.Held(), Piece{ID: t.NewID(), Place: a.Place, New: true})
	for p, top := a.Place, k.laidTo(m); p < top; p++ {
		pool, _ := k.Pool(list, board.Select{Place: p})
		if len(pool) < 10 {
			break
		}
		t.Stage(m.With(list))
		list, _ = bundleTen(list, pool[:10], false, t)
	}
	return m.With(list), nil
}

func add(m board.Model, v place.Number) (place.Number, error) { return board.Total(m).Add(v) }

func (k Kit) stepDown(m Holder, at place.Place, t *board.Tx) (Holder, error) {
	from := at
	for ; from <= k.Most; from++ {
		if pool, _ := k.Pool(m.Held(), board.Select{Place: from}); len(pool) > 0 {
			break
		}
	}
	if from > k.Most {
		return m, say.Refuse("none-to-take", say.Pieces("one", say.Given, 1, at))
	}
	if err := t.CheckRoom(int(from-at) * 9); err != nil {
		return m, err
	}
	list := m.Held()
	for p := from; p > at; p-- {
		pool, _ := k.Pool(list, board.Select{Place: p})
		list, _ = openOnce(list, pool[len(pool)-1:], false, t)
		t.Stage(m.With(list))
	}
	pool, _ := k.Pool(list, board.Select{Place: at})
	return m.With(Without(list, IDs(pool[len(pool)-1:]))), nil
}

// openAll opens every piece in play above a place down to it.
func (k Kit) openAll(m Holder, a OpenArgs, t *board.Tx) (Holder, error) {
	if !k.Has(a.To) {
		return m, k.NoPiece(a.To)
	}
	more := 0
	for _, c := range InPlay(m.Held()) {
		each := 1
		for p := a.To; p < c.Place; p++ {
			each *= 10
		}
		more += c.Count * (each - 1)
	}
	if err := t.CheckRoom(more); err != nil {
		return m, err
	}
	for p := k.Most; p > a.To; p-- {
		pool, _ := k.Pool(m.Held(), board.Select{Place: p})
		if len(pool) == 0 {
			continue
		}
		list, _ := openOnce(m.Held(), pool, false, t)
		if m = m.With(list); p-1 > a.To {
			t.Stage(m)
		}
	}
	t.Say("did.opened", say.PlaceName("place", a.To))
	return m, nil
}

// fewest bundles wherever there are ten, from the smallest place up.
func (k Kit) fewest(m Holder, _ board.NoArgs, t *board.Tx) (Holder, error) {
	list := m.Held()
	for p, top := k.Least, k.laidTo(m); p < top; p++ {
		pool, _ := k.Pool(list, board.Select{Place: p})
		for ; len(pool) >= 10; pool = pool[10:] {
			list, _ = bundleTen(list, pool[:10], false, t)
		}
	}
	t.Say("did.fewest")
	return m.With(list), nil
}

// BundleOffers are the verbs of a selection for going up and down the places.
func (k Kit) BundleOffers(m Holder, ids []board.PieceID) []board.Offer {
	found, err := byID(m.Held(), ids)
	if err != nil || len(found) == 0 {
		return nil
	}
	sel := []board.Select{{IDs: ids}}
	p := found[0].Place
	var list []board.Offer
	if p < k.Most {
		list = append(list, Offer("bundle", BundleArgs{Place: p, Pieces: sel}, say.PlaceName("next", p+1)))
	}
	for to := p - 1; to >= max(k.Least, p-3); to-- {
		list = append(list, Offer("unbundle", UnbundleArgs{Place: p, Pieces: sel, To: &to}, say.PlaceName("to", to)))
	}
	return list
}

// ColumnOffer is what the foot of a column offers.
func (r Rules) ColumnOffer(p place.Place) *board.Offer {
	if p >= r.Most {
		return nil
	}
	return &board.Offer{Label: say.New("verb.bundleColumn"), Move: board.Move{Kind: "bundle", Args: BundleArgs{Place: p}}}
}

// Follow brings the pieces in play to a number by the difference: as the form
// lies where the model has its places, regrouped where not.
func (k Kit) Follow(model board.Model, form place.UnitForm, t *board.Tx) (board.Model, error) {
	m := model.(Holder)
	list, err := k.FollowList(m.Held(), form, k.laidTo(m), t)
	if err != nil {
		return m, err
	}
	return m.With(list), nil
}

// FollowList is Follow on the pieces alone.
func (k Kit) FollowList(list []Piece, form place.UnitForm, top place.Place, t *board.Tx) ([]Piece, error) {
	form = Hold(form, top)
	total, err := form.Total()
	if err != nil {
		return nil, err
	}
	if slices.ContainsFunc(form, func(c place.Count) bool { return !k.Has(c.Place) }) {
		form = Hold(total.UnitForm(), top)
	}
	for _, c := range form {
		if !k.Has(c.Place) {
			return nil, k.NoPiece(c.Place)
		}
	}
	have := Count(list, Play, AnyPart)
	more := 0
	for p := k.Least; p <= k.Most; p++ {
		more += form.Of(p) - have.Of(p)
	}
	if err := t.CheckRoom(more); err != nil {
		return nil, err
	}
	var came, went [place.Largest - place.Smallest + 1][]board.PieceID
	for p := k.Least; p <= k.Most; p++ {
		diff := form.Of(p) - have.Of(p)
		if diff < 0 {
			pool, _ := k.Pool(list, board.Select{Place: p})
			went[p-place.Smallest] = IDs(pool[len(pool)+diff:])
			list = Without(list, went[p-place.Smallest])
		} else if diff > 0 {
			added := Many(p, diff, 0, t.TakeIDs(diff))
			came[p-place.Smallest] = IDs(added)
			list = Insert(list, added...)
		}
	}
	for i := 0; i+1 < len(came); i++ {
		if n := len(came[i+1]); n > 0 && len(went[i]) == 10*n {
			t.Became(went[i], came[i+1])
		}
		if n := len(went[i+1]); n > 0 && len(came[i]) == 10*n {
			t.Became(went[i+1], came[i])
		}
	}
	return list, nil
}

// Counting is the pieces in play in the order in which a class counts them,
// largest place first, each with the number reached.
func Counting(m board.Model, list []Piece, unit func(Piece) place.Number) []board.Counted {
	inOrder := slices.DeleteFunc(slices.Clone(list), func(p Piece) bool { return p.State != Play })
	slices.SortStableFunc(inOrder, func(x, y Piece) int { return int(y.Place) - int(x.Place) })
	var out []board.Counted
	var sum place.Number
	for _, p := range inOrder {
		next, err := sum.Add(unit(p))
		if err != nil {
			break
		}
		sum = next
		out = append(out, board.Counted{ID: p.ID, Part: int(p.Part), Upto: sum})
	}
	return out
}

// OwnValue is what a piece of a place is worth.
func OwnValue(p Piece) place.Number { return p.Place.Value() }
