// Package rack is the bead rack: one to ten rows of ten beads, five and five in
// two colours. Home is all beads at the right; the left side is read.
package rack

import (
	"encoding/json"
	"fmt"
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/form"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// A rack has one to MaxRows rows of Beads beads.
const (
	MaxRows = 10
	Beads   = 10
)

// Rack is the model: how many beads of each row are on the reading side.
type Rack struct {
	Left   []int
	Pushes int // since all beads were last home
	Rings  [][]Span
	first  board.PieceID
}

// Kind is "rack".
func (Rack) Kind() string { return "rack" }

// Pieces is how many beads there are.
func (r Rack) Pieces() int { return len(r.Left) * Beads }

// InPlay is the beads on the reading side: whole rows are not regrouped.
func (r Rack) InPlay() place.UnitForm {
	tens, ones := 0, 0
	for _, left := range r.Left {
		tens += left / Beads
		ones += left % Beads
	}
	return place.FromCounts(func(p place.Place) int {
		return map[place.Place]int{place.Tens: tens, place.Ones: ones}[p]
	})
}

func (r Rack) total() int {
	n := 0
	for _, left := range r.Left {
		n += left
	}
	return n
}

// Push brings beads of one row to a side: afterwards To beads are on the left.
type Push struct {
	// The row, 1 at the top.
	Row int `json:"row" jsonschema:"required,minimum=1,maximum=10"`
	// Beads on the reading side afterwards.
	To int `json:"to" jsonschema:"required,minimum=0,maximum=10"`
}

// Span is beads of one row that stand side by side.
type Span struct {
	// The row, 1 at the top.
	Row int `json:"row" jsonschema:"required,minimum=1,maximum=10"`
	// The first bead, 1 at the left.
	From int `json:"from" jsonschema:"required,minimum=1,maximum=10"`
	// The last bead.
	To int `json:"to" jsonschema:"required,minimum=1,maximum=10"`
}

// RingArgs are the beads of a ring.
type RingArgs struct {
	// Beads on the reading side.
	Beads []Span `json:"beads" jsonschema:"required,minItems=1,maxItems=20"`
	// The rings drawn before stay.
	Beside bool `json:"beside,omitempty"`
}

// ring rings beads that are read.
func (r Rack) ring(a RingArgs, t *board.Tx) (Rack, error) {
	if !a.Beside {
		r.Rings = nil
	}
	if len(r.Rings) == board.MaxRings {
		return r, say.Refuse("rings", say.Int("most", say.Given, board.MaxRings))
	}
	n := 0
	for _, s := range a.Beads {
		if s.Row < 1 || s.Row > len(r.Left) {
			return r, say.Refuse("no-row", say.Int("n", say.Given, s.Row), rowsValue("rows", len(r.Left)))
		}
	}
	for _, s := range a.Beads {
		if err := s.check(r.Left); err != nil {
			return r, err
		}
		n += s.To - s.From + 1
	}
	if n == 0 {
		return r, board.BadField("beads", "say which beads")
	}
	t.Say("did.ringed", say.Text("form", say.Amount, beads(n)))
	r.Rings = append(slices.Clip(r.Rings), a.Beads)
	return r, nil
}

func (s Span) check(left []int) error {
	if s.Row < 1 || s.Row > len(left) || s.From < 1 || s.To < s.From || s.To > left[s.Row-1] {
		return say.Refuse("not-read", say.Int("from", say.Given, s.From), say.Int("to", say.Given, s.To),
			say.Int("row", say.Given, s.Row))
	}
	return nil
}

// ringOf is the ring that a bead stands in, 0 for none; the last drawn shows.
func (r Rack) ringOf(row, bead int) int8 {
	for i := len(r.Rings) - 1; i >= 0; i-- {
		for _, s := range r.Rings[i] {
			if s.Row == row+1 && bead+1 >= s.From && bead+1 <= s.To {
				return int8(i + 1)
			}
		}
	}
	return 0
}

// SlideArgs are the rows of one push.
type SlideArgs struct {
	// The rows that go in this one push.
	Rows []Push `json:"rows" jsonschema:"required,minItems=1,maxItems=10"`
}

// NumberArgs are a typed number, or to build, a sum.
type NumberArgs struct {
	// A whole number (42), a unit form (4 tens 2 ones), or to build, a sum (8 + 6): each addend begins a row.
	Amount string `json:"amount" jsonschema:"required"`
	// How many rows to have at least; further ones are added below.
	Rows int `json:"rows,omitempty" jsonschema:"minimum=0,maximum=10"`
}

// RowsArgs are a number of rows.
type RowsArgs struct {
	// How many rows, 1 to 10.
	Count int `json:"count" jsonschema:"required,minimum=1,maximum=10"`
}

func (r Rack) slide(a SlideArgs, t *board.Tx) (Rack, error) {
	if err := r.check(a); err != nil {
		return r, err
	}
	next := r
	next.Left = slices.Clone(r.Left)
	for _, p := range a.Rows {
		next.Left[p.Row-1] = p.To
	}
	if len(a.Rows) == 1 {
		t.Say("did.pushed", say.Int("row", say.Given, a.Rows[0].Row), say.Text("beads", say.Amount, beads(a.Rows[0].To)))
	} else {
		t.Say("did.pushed-all", rowsValue("rows", len(a.Rows)))
	}
	if slices.Equal(next.Left, r.Left) {
		return r, nil
	}
	next.Pushes++
	next.Rings = nil
	return next, nil
}

func (r Rack) check(a SlideArgs) error {
	if len(a.Rows) == 0 {
		return board.BadField("rows", "say which rows to push")
	}
	var seen [MaxRows + 1]bool
	for _, p := range a.Rows {
		if p.Row < 1 || p.Row > len(r.Left) {
			return say.Refuse("no-row", say.Int("n", say.Given, p.Row), rowsValue("rows", len(r.Left)))
		}
		if p.To < 0 || p.To > Beads {
			return board.BadCount(p.To, 0, Beads)
		}
		if seen[p.Row] {
			return board.BadField("rows", fmt.Sprintf("row %d is named twice", p.Row))
		}
		seen[p.Row] = true
	}
	return nil
}

func slideLaw(r Rack, a SlideArgs) (board.Law, error) {
	if err := r.check(a); err != nil {
		return board.Law{}, err
	}
	change := 0
	for _, p := range a.Rows {
		change += p.To - r.Left[p.Row-1]
	}
	if change < 0 {
		return board.Law{Kind: board.Takes, Value: place.Int(-change)}, nil
	}
	return board.Law{Kind: board.Adds, Value: place.Int(change)}, nil
}

// build sets the number in the fewest pushes: whole rows go together, the rest
// of a row on its own. Rows that already stand right are not touched. Each addend of a
// sum begins a row.
func (r Rack) build(a NumberArgs, t *board.Tx) (Rack, error) {
	addends, err := parseSum(a.Amount)
	if err != nil {
		return r, err
	}
	next, err := r.atLeast(a.Rows, t)
	if err != nil {
		return r, err
	}
	left := spread(addends)
	if len(left) > len(next.Left) {
		return r, r.offering("build", a, sumOf(addends), len(left))
	}
	left = append(left, make([]int, len(next.Left)-len(left))...)
	next.Pushes += fewest(next.Left, left)
	next.Left, next.Rings = left, nil
	t.Say("did.built", say.Sum("form", say.Given, addends))
	return next, nil
}

// atLeast is the rack with so many rows or more.
func (r Rack) atLeast(rows int, t *board.Tx) (Rack, error) {
	if rows <= len(r.Left) {
		return r, nil
	}
	return r.rows(RowsArgs{rows}, t)
}

// offering refuses what does not fit, and offers the rows that it would need.
func (r Rack) offering(kind string, a NumberArgs, n, rows int) error {
	if rows > MaxRows {
		return say.Refuse("rack-full", say.Int("n", say.Given, n), rowsValue("rows", MaxRows),
			say.Int("most", say.Given, MaxRows*Beads))
	}
	refusal := say.Refuse("rack-rows-needed", say.Text("n", say.Given, a.Amount), rowsValue("rows", rows),
		say.Int("here", say.Given, len(r.Left)))
	a.Rows = rows
	return board.Offering{Refusal: refusal, Offer: board.Offer{
		Label: say.New("verb.rows", rowsValue("rows", rows)), Move: board.Move{Kind: kind, Args: a},
	}, Room: board.Move{Kind: "rows", Args: RowsArgs{rows}}}
}

// spread fills rows from the top, each addend from the next free row on.
func spread(addends []int) []int {
	var left []int
	for _, n := range addends {
		if n == 0 && len(addends) > 1 {
			left = append(left, 0)
		}
		for ; n > 0; n -= Beads {
			left = append(left, min(n, Beads))
		}
	}
	return left
}

func sumOf(numbers []int) int {
	sum := 0
	for _, n := range numbers {
		sum += n
	}
	return sum
}

// fewest counts the pushes from one state to another: rows that end alike, and
// move the same way, go in one push.
func fewest(from, to []int) int {
	type push struct {
		to    int
		right bool
	}
	pushes := map[push]bool{}
	for i := range to {
		if from[i] != to[i] {
			pushes[push{to[i], to[i] < from[i]}] = true
		}
	}
	return len(pushes)
}

// parseSum reads a number, or "8 + 6" as its addends.
func parseSum(amount string) ([]int, error) {
	var addends []int
	for _, text := range strings.Split(amount, "+") {
		n, err := parseWhole(text)
		if err != nil {
			return nil, err
		}
		addends = append(addends, n)
	}
	if sumOf(addends) > MaxRows*Beads {
		return nil, say.Refuse("rack-full", say.Int("n", say.Given, sumOf(addends)), rowsValue("rows", MaxRows),
			say.Int("most", say.Given, MaxRows*Beads))
	}
	return addends, nil
}

func parseWhole(amount string) (int, error) {
	form, err := place.ParseAmount(amount)
	if err != nil {
		return 0, board.BadNumber(err)
	}
	total, err := form.Total()
	if err != nil {
		return 0, board.BadNumber(err)
	}
	n, whole := total.Whole()
	if !whole {
		return 0, say.Refuse("rack-whole", say.Number("n", say.Given, total))
	}
	return n, nil
}

// fits refuses a number that the rack does not hold.
func (r Rack) fits(total place.Number) (int, error) {
	n, whole := total.Whole()
	if !whole {
		return 0, say.Refuse("rack-whole", say.Number("n", say.Given, total))
	}
	if n > r.Pieces() {
		return 0, say.Refuse("rack-full", say.Int("n", say.Given, n), rowsValue("rows", len(r.Left)),
			say.Int("most", say.Given, r.Pieces()))
	}
	return n, nil
}

func buildLaw(_ Rack, a NumberArgs) (board.Law, error) {
	addends, err := parseSum(a.Amount)
	if err != nil {
		return board.Law{}, err
	}
	return board.Law{Kind: board.Sets, Value: place.Int(sumOf(addends))}, nil
}

func (r Rack) home(_ board.NoArgs, t *board.Tx) (Rack, error) {
	t.Say("did.home")
	r.Left, r.Pushes, r.Rings = make([]int, len(r.Left)), 0, nil
	return r, nil
}

// rows changes the number of rows. Rows with beads on the reading side do not
// go: nothing that counts is lost.
func (r Rack) rows(a RowsArgs, t *board.Tx) (Rack, error) {
	if a.Count < 1 || a.Count > MaxRows {
		return r, board.BadCount(a.Count, 1, MaxRows)
	}
	for i := a.Count; i < len(r.Left); i++ {
		if r.Left[i] > 0 {
			return r, say.Refuse("row-busy", say.Int("n", say.Given, i+1), say.Text("beads", say.Amount, beads(r.Left[i])))
		}
	}
	more := (a.Count - len(r.Left)) * Beads
	if err := t.CheckRoom(more); err != nil {
		return r, err
	}
	t.Say("did.rows", rowsValue("rows", a.Count))
	left := make([]int, a.Count)
	copy(left, r.Left)
	if more > 0 {
		// All beads get new ids: they must follow one another.
		r.first = t.TakeIDs(a.Count * Beads)
	}
	r.Left = left
	return r, nil
}

func beads(n int) string {
	if n == 1 {
		return "1 bead"
	}
	return strconv.Itoa(n) + " beads"
}

func rowsValue(name string, n int) say.Value {
	text := strconv.Itoa(n) + " rows"
	if n == 1 {
		text = "1 row"
	}
	return say.Text(name, say.Given, text)
}

// Shape is the JSON form.
type Shape struct {
	Kind string `json:"kind" jsonschema:"required,enum=rack"`
	// Beads on the reading side of each row, 0 to 10.
	Rows []int `json:"rows" jsonschema:"required,minItems=1,maxItems=10"`
	// Pushes since all beads were home.
	Pushes int `json:"pushes,omitempty" jsonschema:"minimum=0"`
	// The beads of each ring.
	Rings [][]Span `json:"rings,omitempty" jsonschema:"maxItems=12"`
}

// MarshalJSON writes the rows.
func (r Rack) MarshalJSON() ([]byte, error) {
	return form.JSON(Shape{"rack", r.Left, r.Pushes, r.Rings})
}

func decode(raw json.RawMessage, ids *board.IDs) (board.Model, error) {
	var s Shape
	if err := board.ReadForm(raw, &s); err != nil {
		return nil, err
	}
	m, err := newRack(s.Rows, s.Pushes, ids)
	if err != nil {
		return nil, err
	}
	m.Rings = s.Rings
	return m, m.ringsCheck()
}

// ringsCheck says which ring a file could not hold.
func (r Rack) ringsCheck() error {
	if len(r.Rings) > board.MaxRings {
		return fmt.Errorf("rings: %d are more than %d", len(r.Rings), board.MaxRings)
	}
	for i, ring := range r.Rings {
		for _, s := range ring {
			if err := s.check(r.Left); err != nil {
				return fmt.Errorf("rings[%d]: %w", i, err)
			}
		}
	}
	return nil
}

// newRack has as many rows as its form or its notation may have.
func newRack(rows []int, pushes int, ids *board.IDs) (Rack, error) {
	for i, left := range rows {
		if left < 0 || left > Beads {
			return Rack{}, fmt.Errorf("rows[%d]: %d is not from 0 to %d", i, left, Beads)
		}
	}
	return Rack{Left: rows, Pushes: pushes, first: ids.Take(len(rows) * Beads)}, nil
}

// The notation is the number of rows and the beads on the reading side of
// each: "2: 6 8".
func printNotation(m board.Model) string {
	r := m.(Rack)
	text := strconv.Itoa(len(r.Left)) + ":"
	for _, left := range r.Left {
		text += " " + strconv.Itoa(left)
	}
	return text
}

func parseNotation(s string, ids *board.IDs) (board.Model, error) {
	head, rest, ok := strings.Cut(s, ":")
	n, err := strconv.Atoi(strings.TrimSpace(head))
	if !ok || err != nil || n < 1 || n > MaxRows {
		return nil, fmt.Errorf("%q is not a rack. Write rows and beads, like 2: 6 8", s)
	}
	rows := make([]int, n)
	fields := strings.Fields(rest)
	if len(fields) > n {
		return nil, fmt.Errorf("%q names %d rows of %d", s, len(fields), n)
	}
	for i, f := range fields {
		if rows[i], err = strconv.Atoi(f); err != nil {
			return nil, fmt.Errorf("%q is not a number of beads", f)
		}
	}
	return newRack(rows, 0, ids)
}

func canonical(m board.Model) board.Model {
	r := m.(Rack)
	return Rack{Left: r.Left, first: r.first}
}
