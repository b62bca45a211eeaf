package rack

import (
	"slices"
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// more adds a number as it is done in the head: whole rows for the tens in one
// push, then the ones, which fill the row that is begun before another.
func (r Rack) more(a NumberArgs, t *board.Tx) (Rack, error) {
	n, err := parseWhole(a.Amount)
	if err != nil {
		return r, err
	}
	if r.total()+n > MaxRows*Beads {
		return r, r.offering("more", a, r.total()+n, MaxRows+1)
	}
	r, err = r.atLeast(a.Rows, t)
	if err != nil {
		return r, err
	}
	if rows := r.rowsFor(n); rows > len(r.Left) {
		return r, r.offering("more", a, r.total()+n, rows)
	}
	next := r.cloned()
	for whole := n / Beads; whole > 0; whole-- {
		next.Left[slices.Index(next.Left, 0)] = Beads
	}
	next = next.pushed(r, t)
	for ones := n % Beads; ones > 0; {
		i := slices.IndexFunc(next.Left, func(left int) bool { return left > 0 && left < Beads })
		if i < 0 {
			i = slices.Index(next.Left, 0)
		}
		was := next
		next = next.cloned()
		step := min(ones, Beads-next.Left[i])
		next.Left[i] += step
		ones -= step
		next = next.pushed(was, t)
	}
	t.Say("did.rack-more", say.Int("n", say.Given, n))
	return next, nil
}

// rowsFor is how many rows it takes to add a number: a free one for each ten, and room
// for the ones in rows that are begun, or else in another.
func (r Rack) rowsFor(n int) int {
	free, room := 0, 0
	for _, left := range r.Left {
		if left == 0 {
			free++
		} else {
			room += Beads - left
		}
	}
	needed := n / Beads
	if n%Beads > room {
		needed++
	}
	return len(r.Left) + max(0, needed-free)
}

// less takes a number away: whole rows for the tens in one push, then the ones,
// from the row that is begun before another is opened.
func (r Rack) less(a NumberArgs, t *board.Tx) (Rack, error) {
	n, err := parseWhole(a.Amount)
	if err != nil {
		return r, err
	}
	if n > r.total() {
		return r, say.Refuse("rack-less", say.Int("n", say.Given, n))
	}
	next := r.cloned()
	for whole := n / Beads; whole > 0; whole-- {
		i := lastIndex(next.Left, func(left int) bool { return left == Beads })
		if i < 0 {
			return r, say.Refuse("rack-rows", rowsValue("rows", n/Beads))
		}
		next.Left[i] = 0
	}
	next = next.pushed(r, t)
	for ones := n % Beads; ones > 0; {
		i := lastIndex(next.Left, func(left int) bool { return left > 0 && left < Beads })
		if i < 0 {
			i = lastIndex(next.Left, func(left int) bool { return left > 0 })
		}
		was := next
		next = next.cloned()
		step := min(ones, next.Left[i])
		next.Left[i] -= step
		ones -= step
		next = next.pushed(was, t)
	}
	t.Say("did.rack-less", say.Int("n", say.Given, n))
	return next, nil
}

func lastIndex(list []int, fits func(int) bool) int {
	for i := len(list) - 1; i >= 0; i-- {
		if fits(list[i]) {
			return i
		}
	}
	return -1
}

func (r Rack) cloned() Rack { r.Left, r.Rings = slices.Clone(r.Left), nil; return r }

// pushed counts the push that led here and shows it as a stage.
func (r Rack) pushed(was Rack, t *board.Tx) Rack {
	if slices.Equal(was.Left, r.Left) {
		return r
	}
	r.Pushes = was.Pushes + 1
	t.Stage(r)
	return r
}

func changeLaw(kind board.LawKind) func(Rack, NumberArgs) (board.Law, error) {
	return func(_ Rack, a NumberArgs) (board.Law, error) {
		n, err := parseWhole(a.Amount)
		return board.Law{Kind: kind, Value: place.Int(n)}, err
	}
}

// parts are the rows with beads on the reading side.
func parts(m board.Model) []place.Number {
	var out []place.Number
	for _, left := range m.(Rack).Left {
		if left > 0 {
			out = append(out, place.Int(left))
		}
	}
	return out
}

// follow shows a linked number in the fewest pushes.
func follow(m board.Model, form place.UnitForm, t *board.Tx) (board.Model, error) {
	r := m.(Rack)
	total, err := form.Total()
	if err != nil {
		return r, err
	}
	n, err := r.fits(total)
	if err != nil {
		return r, err
	}
	if n == r.total() {
		return r, nil
	}
	next := r.cloned()
	left := spread([]int{n})
	next.Left = append(left, make([]int, len(r.Left)-len(left))...)
	next.Pushes += fewest(r.Left, next.Left)
	return next, nil
}

func counting(m board.Model) []board.Counted {
	r := m.(Rack)
	var out []board.Counted
	for i, left := range r.Left {
		for k := range left {
			out = append(out, board.Counted{ID: r.first + board.PieceID(i*Beads+k), Part: i + 1, Upto: place.Int(len(out) + 1)})
		}
	}
	return out
}

// coveredRow says what of a row lies under a cover: the left, the right, all.
func coveredRow(i int, covers []board.Covering) (left, right, other bool) {
	name := "row " + strconv.Itoa(i+1)
	for _, c := range covers {
		switch {
		case c.At != nil:
			other = other || c.Rect.Y < (i+1)*row && c.Rect.Y+c.Rect.H > i*row
		case c.Zone == name || c.Zone == board.AllZone:
			left, right = true, true
		case c.Zone == name+" left":
			left = true
		case c.Zone == name+" right":
			right = true
		}
	}
	return left, right, other
}

// rowSentences say of each row with beads what makes it ten; a covered side is
// the unknown.
func (r Rack) rowSentences(w say.Vocabulary, covers []board.Covering) []string {
	var out []string
	for i, left := range r.Left {
		hideLeft, hideRight, other := coveredRow(i, covers)
		if left == 0 && !hideLeft && !hideRight || left == Beads && !hideLeft && !hideRight || other || hideLeft &&
			hideRight {
			continue
		}
		n, rest := strconv.Itoa(left), strconv.Itoa(Beads-left)
		if hideLeft {
			n = board.Hidden
		}
		if hideRight {
			rest = board.Hidden
		}
		out = append(out, say.New("row.beads", say.Text("n", say.Amount, n), say.Text("missing", say.Part, rest)).Text(w))
	}
	return out
}
