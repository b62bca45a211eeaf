package discs

import (
	"unitbloom/core/board"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// ShiftArgs shift digits by places.
type ShiftArgs struct {
	// Places to the left: 1 is × 10, -2 is ÷ 100.
	By int `json:"by" jsonschema:"required,minimum=-3,maximum=3"`
	// Column by column, each step seen.
	Steps bool `json:"steps,omitempty"`
	// Keep a row above that shows what the shift began with.
	Keep bool `json:"keep,omitempty"`
	// The zeros that are written go along too: 120 ÷ 100 is 1.20.
	Zeros bool `json:"zeros,omitempty"`
}

// ShiftSomeArgs shift single discs.
type ShiftSomeArgs struct {
	// Which discs.
	Pieces []board.Select `json:"pieces" jsonschema:"required"`
	// Places to the left.
	By int `json:"by" jsonschema:"required,minimum=-3,maximum=3"`
}

// ColumnsArgs choose the columns.
type ColumnsArgs struct {
	// The largest column.
	Top place.Place `json:"top" jsonschema:"required"`
	// The smallest column, ones or less.
	Bottom place.Place `json:"bottom" jsonschema:"required"`
}

// CountArgs are a number of rows or groups.
type CountArgs struct {
	// How many.
	Count int `json:"count" jsonschema:"minimum=0,maximum=12"`
}

// StyleArgs choose labelled discs or plain dots.
type StyleArgs struct {
	// discs or dots.
	Style string `json:"style" jsonschema:"required,enum=discs,enum=dots"`
}

// CardsArgs show or hide the digit cards.
type CardsArgs struct {
	// Whether they are shown.
	Shown bool `json:"shown"`
	// The place that they reach down to, with zeros where digits lack; the last digit when left out.
	To *place.Place `json:"to,omitempty"`
}

// DigitsArgs are digit cards alone.
type DigitsArgs struct {
	// The number as written; empty for none.
	Number string `json:"number" jsonschema:"maxLength=20"`
}

// shift multiplies or divides the whole number by a power of ten: every disc in
// play goes so many columns along. The point stays.
func (d Discs) shift(a ShiftArgs, t *board.Tx) (Discs, error) {
	if a.By < -3 || a.By > 3 || a.By == 0 {
		return d, board.BadCount(a.By, -3, 3)
	}
	for _, c := range d.InPlay() {
		if err := end(c.Place, a.By); err != nil {
			return d, err
		}
	}
	if _, err := d.number().Shift(a.By); err != nil {
		return d, board.BadNumber(err)
	}
	start := d
	if a.Keep {
		kept, err := d.keepStart(t)
		if err != nil {
			return d, err
		}
		start = kept
	}
	start.CardsTo = d.reaching(a)
	step := 1
	if a.By < 0 {
		step = -1
	}
	var next Discs
	for by := step; ; by += step {
		next = start.moved(by)
		if by == a.By {
			break
		}
		if a.Steps {
			t.Stage(next)
		}
	}
	t.Say("did.shifted", say.Text("times", say.Given, timesText(a.By)))
	if a.Zeros && next.hasNeedless() {
		t.Also("ask.needless")
	}
	return next, nil
}

// number is what the discs in play are worth, or the digits that stand alone.
func (d Discs) number() place.Number {
	if w, alone := readDigits(d.Alone); alone {
		return w.Number
	}
	return board.Total(d)
}

// reaching is how far down the digit cards reach after a shift: the lowest zero goes
// along with the digits, or stays behind.
func (d Discs) reaching(a ShiftArgs) place.Place {
	if !a.Zeros || !d.Cards || d.Alone != "" {
		return d.CardsTo
	}
	low := min(d.CardsTo, place.Ones)
	for _, c := range d.InPlay() {
		low = min(low, c.Place)
	}
	return max(place.Smallest, min(low+place.Place(a.By), place.Ones))
}

// turnedDigits are the digits that stand alone, so many places up, with their zeros.
func (d Discs) turnedDigits(by int) string {
	w, err := place.Parse(d.Alone)
	if err != nil {
		return d.Alone
	}
	n, err := w.Shift(by)
	if err != nil {
		return d.Alone
	}
	return place.Written{Number: n, Decimals: min(max(0, w.Decimals-by), int(-place.Smallest))}.String()
}

// moved is d with the discs in play so many columns to the left.
func (d Discs) moved(by int) Discs {
	if d.Alone != "" {
		d.Alone = d.turnedDigits(by)
	}
	list := pieces.Each(d.List, func(k *pieces.Piece) {
		if k.State == pieces.Play {
			k.Place, k.New, k.Ring = k.Place+place.Place(by), false, 0
		}
	})
	d.turned += by
	return d.with(pieces.Insert(nil, list...))
}

// keepStart lays a copy of the discs in play into the start row, or of the digits.
func (d Discs) keepStart(t *board.Tx) (Discs, error) {
	d.Began = d.Alone
	var list, copies []pieces.Piece
	for _, k := range d.List {
		if k.Start {
			continue
		}
		list = append(list, k)
		if k.State == pieces.Play {
			copies = append(copies, pieces.Piece{Place: k.Place, State: pieces.Copy, Start: true})
		}
	}
	if err := t.CheckRoom(len(copies)); err != nil {
		return d, err
	}
	first := t.TakeIDs(len(copies))
	for i := range copies {
		copies[i].ID = first + board.PieceID(i)
	}
	return d.with(pieces.Insert(list, copies...)), nil
}

func timesText(by int) string {
	sign, n := "× 1", by
	if by < 0 {
		sign, n = "÷ 1", -by
	}
	return sign + "000"[:n]
}

// end refuses a shift past either end of the chart.
func end(p place.Place, by int) error {
	if to := p + place.Place(by); !to.Valid() {
		return say.Refuse("shift-end", say.PlaceName("place", p), say.Text("times", say.Given, timesText(by)),
			say.PlaceName("most", place.Largest), say.PlaceName("least", place.Smallest))
	}
	return nil
}

// shiftSome shifts single discs; the number changes by what they are worth then
// and before.
func (d Discs) shiftSome(a ShiftSomeArgs, t *board.Tx) (Discs, error) {
	if a.By < -3 || a.By > 3 || a.By == 0 {
		return d, board.BadCount(a.By, -3, 3)
	}
	found, err := kit.FindPlaying(d.List, a.Pieces)
	if err != nil {
		return d, err
	}
	for _, k := range found {
		if err := end(k.Place, a.By); err != nil {
			return d, err
		}
	}
	next := d.with(pieces.Insert(nil, pieces.Change(d.List, pieces.IDs(found),
		func(k *pieces.Piece) { k.Place += place.Place(a.By) })...))
	if _, err := next.InPlay().Total(); err != nil {
		return d, board.BadNumber(err)
	}
	t.Say("did.disc-shifted", say.Form("form", say.Amount, pieces.FormOf(found)),
		say.Text("times", say.Given, timesText(a.By)))
	return next, nil
}

func shiftSomeLaw(d Discs, a ShiftSomeArgs) (board.Law, error) {
	found, err := kit.FindAll(d.List, a.Pieces)
	if err != nil {
		return board.Law{}, err
	}
	was, err1 := pieces.FormOf(found).Total()
	now, err2 := was.Shift(a.By)
	if err1 != nil || err2 != nil {
		return board.Law{}, place.ErrRange
	}
	if a.By < 0 {
		v, err := was.Sub(now)
		return board.Law{Kind: board.Takes, Value: v}, err
	}
	v, err := now.Sub(was)
	return board.Law{Kind: board.Adds, Value: v}, err
}

func (d Discs) dropStart(_ board.NoArgs, t *board.Tx) (Discs, error) {
	var list []pieces.Piece
	for _, k := range d.List {
		if !k.Start {
			list = append(list, k)
		}
	}
	t.Say("did.start-dropped")
	d.Began = ""
	return d.with(list), nil
}

func (d Discs) columns(a ColumnsArgs, t *board.Tx) (Discs, error) {
	if a.Bottom > place.Ones || a.Top < place.Ones {
		return d, say.Refuse("columns-span")
	}
	d.Top, d.Bottom = a.Top, a.Bottom
	t.Say("did.view", say.Text("view", say.Name, "from "+a.Top.Plural()+" to "+a.Bottom.Plural()))
	return d, nil
}

func (d Discs) setRows(a CountArgs, t *board.Tx) (Discs, error) {
	if a.Count < 1 || a.Count > MaxRows {
		return d, board.BadCount(a.Count, 1, MaxRows)
	}
	d.Rows = a.Count
	t.Say("did.chart-rows", say.Int("n", say.Given, a.Count))
	return d, nil
}

// join brings the discs of all rows into one.
func (d Discs) join(_ board.NoArgs, t *board.Tx) (Discs, error) {
	t.Say("did.rows-joined")
	d.Rows = 1
	return d.with(pieces.Each(d.List, func(k *pieces.Piece) { k.Part = 0 })), nil
}

// TogetherArgs choose how addends lie.
type TogetherArgs struct {
	// Whether the addends lie in one row.
	Shown bool `json:"shown"`
}

// together lays the addends in one row, or each in its own again; they are told apart
// either way.
func (d Discs) together(a TogetherArgs, t *board.Tx) (Discs, error) {
	d.Together = a.Shown
	t.Say("did.rows-joined")
	return d, nil
}

func (d Discs) traces(a pieces.TracesArgs, t *board.Tx) (Discs, error) {
	d.Traces = a.Shown
	t.Say("did.view", say.Text("view", say.Name, pieces.TracesName(a.Shown)))
	return d, nil
}

func (d Discs) style(a StyleArgs, t *board.Tx) (Discs, error) {
	if a.Style != "discs" && a.Style != "dots" {
		return d, board.BadOption("style", a.Style, "discs or dots")
	}
	d.Dots = a.Style == "dots"
	t.Say("did.view", say.Text("view", say.Name, "as "+a.Style))
	return d, nil
}

func (d Discs) showCards(a CardsArgs, t *board.Tx) (Discs, error) {
	d.Cards, d.CardsTo = a.Shown, place.Ones
	if a.To != nil && a.Shown {
		if *a.To > place.Ones || *a.To < place.Smallest {
			return d, board.BadField("to", "choose ones, or a place after the point")
		}
		d.CardsTo = *a.To
	}
	t.Say("did.view", say.Text("view", say.Name, map[bool]string{true: "with digit cards",
		false: "without digit cards"}[a.Shown]))
	return d, nil
}

// needless puts the zeros away that need not be written.
func (d Discs) needless(_ board.NoArgs, t *board.Tx) (Discs, error) {
	d.CardsTo = place.Ones
	if w, alone := readDigits(d.Alone); alone {
		d.Alone = w.Number.String()
	}
	t.Say("did.needless")
	return d, nil
}

// hasNeedless reports whether zeros are written that need not be.
func (d Discs) hasNeedless() bool {
	if w, alone := readDigits(d.Alone); alone {
		return w.Number.String() != d.Alone
	}
	low := place.Ones
	for _, c := range d.InPlay() {
		low = min(low, c.Place)
	}
	return d.Cards && d.CardsTo < low
}

// digits lays digit cards on the chart without any discs.
func (d Discs) digits(a DigitsArgs, t *board.Tx) (Discs, error) {
	if a.Number == "" {
		d.Alone = ""
		t.Say("did.cards-gone")
		return d, nil
	}
	w, err := place.Parse(a.Number)
	if err != nil {
		return d, board.BadNumber(err)
	}
	d.Alone, d.Began, d.List = w.String(), "", nil
	t.Say("did.cards", say.Text("n", say.Given, d.Alone))
	return d, nil
}

// groups sets the number of tracks; discs of a track that goes lie in the chart.
func (d Discs) groups(a CountArgs, t *board.Tx) (Discs, error) {
	if a.Count < 0 || a.Count > MaxGroups {
		return d, board.BadCount(a.Count, 0, MaxGroups)
	}
	d.Groups = a.Count
	t.Say("did.groups", say.Int("n", say.Given, a.Count))
	return d.with(pieces.Each(d.List, func(k *pieces.Piece) {
		if int(k.Group) > a.Count {
			k.Group = 0
		}
	})), nil
}

// share deals the discs of a place round the tracks, one to each at a time.
// What does not make a full round stays in the chart, to be unbundled.
func (d Discs) share(a pieces.PlaceArgs, t *board.Tx) (Discs, error) {
	if d.Groups == 0 {
		return d, say.Refuse("no-groups")
	}
	var left []board.PieceID
	for _, k := range d.List {
		if k.State == pieces.Play && k.Group == 0 && k.Place == a.Place {
			left = append(left, k.ID)
		}
	}
	if len(left) < d.Groups {
		return d, say.Refuse("no-round-of", say.Pieces("left", say.Amount, len(left), a.Place),
			say.Int("groups", say.Given, d.Groups))
	}
	rounds := len(left) / d.Groups
	for round := range rounds {
		to := map[board.PieceID]int8{}
		for g := range d.Groups {
			to[left[round*d.Groups+g]] = int8(g + 1)
		}
		d.List = pieces.Each(d.List, func(k *pieces.Piece) {
			if g := to[k.ID]; g > 0 {
				k.Group = g
			}
		})
		if round < rounds-1 && rounds <= 20 {
			t.Stage(d)
		}
	}
	t.Say("did.shared-of", say.PlaceName("place", a.Place), say.Int("rounds", say.Amount, rounds),
		say.Int("groups", say.Given, d.Groups))
	return d, nil
}

// deal gives one disc of a place to the group whose turn it is.
func (d Discs) deal(a pieces.PlaceArgs, t *board.Tx) (Discs, error) {
	next, turn, err := pieces.Turn(d.List, d.Groups, a.Place)
	if err != nil {
		return d, err
	}
	t.Say("did.dealt", say.Int("n", say.Given, turn))
	return d.with(pieces.Change(d.List, next, func(k *pieces.Piece) { k.Group = int8(turn) })), nil
}

// PutArgs put discs on a track.
type PutArgs struct {
	// Which discs.
	Pieces []board.Select `json:"pieces" jsonschema:"required"`
	// The track, from 1; 0 for the chart.
	Group int `json:"group" jsonschema:"minimum=0,maximum=12"`
}

// put brings discs onto one track, or back into the chart.
func (d Discs) put(a PutArgs, t *board.Tx) (Discs, error) {
	found, err := kit.ForGroup(d.List, a.Pieces, a.Group, d.Groups)
	if err != nil {
		return d, err
	}
	t.Say("did.put", say.Form("form", say.Amount, pieces.FormOf(found)))
	return d.with(pieces.Change(d.List, pieces.IDs(found), func(k *pieces.Piece) { k.Group = int8(a.Group) })), nil
}

func (d Discs) gather(_ board.NoArgs, t *board.Tx) (Discs, error) {
	t.Say("did.gathered")
	return d.with(pieces.Each(d.List, func(k *pieces.Piece) { k.Group = 0 })), nil
}

func (d Discs) tidy(_ board.NoArgs, t *board.Tx) (Discs, error) {
	t.Say("did.tidied")
	return d.with(pieces.Tidy(d.List)), nil
}

func (d Discs) clear(_ board.NoArgs, t *board.Tx) (Discs, error) {
	t.Say("did.cleared")
	d.Alone, d.Began = "", ""
	return d.with(nil), nil
}
