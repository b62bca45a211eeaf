package blocks

import (
	"unitbloom/core/board"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Model units: a single block is 10 by 10. Ten of a size fill the shape of the
// next, with a gap after five, so that a full ten is seen without counting.
const (
	pad       = 14  // around the blocks of a column
	rowGap    = 22  // between the rows of two addends
	groupGap  = 30  // between places on the open mat
	matW      = 720 // the open mat, unless its blocks need more
	matH      = 420
	minWidth  = 84  // of a column
	minHeight = 104 // of a row
	minSketch = 76  // of a row in a sketch
	trayGap   = 26
	lean      = 6 // of each block of a pile, so that its edge is seen
)

// arrangement says how the blocks of one place lie.
type arrangement struct {
	look  string
	w, h  int // of one block
	slot  func(i, n int) (x, y int)
	width int // of ten
}

// gap5 is a pitch with a gap after every five.
func gap5(i, pitch, gap int) int { return i*pitch + i/5*gap }

// ofTens fills stacks of ten, ten stacks to a block of a hundred.
func ofTens(pitch, five, stack, hundred int) func(i, n int) (int, int) {
	return func(i, _ int) (int, int) {
		return i / 10 % 10 * stack, gap5(i%10, pitch, five) + i/100*hundred
	}
}

// inRow fills rows of ten, five and five.
func inRow(pitch, five, row int) func(i, n int) (int, int) {
	return func(i, _ int) (int, int) { return gap5(i%10, pitch, five), i / 10 * row }
}

// piles stacks flats in piles of five that overlap, two piles to a row. A small
// pile is spread wider than a full one.
func piles(pitch, spread, full int) func(i, n int) (int, int) {
	return func(i, n int) (int, int) {
		step := full / 4
		if n > 1 && n < 5 {
			step = min(spread, full/(n-1))
		}
		return i/5%2*pitch + i%5*lean, i%5*step + i/10*(2*full+20)
	}
}

// dots fills columns of five, two to a ten.
func dots(i, _ int) (int, int) {
	col := i / 5
	return col%20*15 + col%20/2*10, i%5*15 + i/100*90
}

var solid = map[place.Place]arrangement{
	place.Ones:      {"one", 10, 10, ofTens(10, 4, 20, 118), 10},
	place.Tens:      {"ten", 10, 104, inRow(14, 6, 116), 142},
	place.Hundreds:  {"hundred", 104, 104, piles(142, 40, 104), 270},
	place.Thousands: {"thousand", 136, 136, piles(174, 48, 136), 334},
}

var sketch = map[place.Place]arrangement{
	place.Ones:      {"one", 12, 12, dots, 27},
	place.Tens:      {"ten", 6, 72, inRow(13, 7, 86), 130},
	place.Hundreds:  {"hundred", 34, 34, inFive(40), 194},
	place.Thousands: {"thousand", 46, 46, inFive(52), 254},
}

// inFive fills rows of five.
func inFive(pitch int) func(i, n int) (int, int) {
	return func(i, _ int) (int, int) { return i % 5 * pitch, i / 5 * pitch }
}

func (b Blocks) arrangement(p place.Place) arrangement {
	if b.Sketch {
		return sketch[p]
	}
	return solid[p]
}

// extent is the size of n blocks of a place.
func (a arrangement) extent(n int) (w, h int) {
	for i := range n {
		x, y := a.slot(i, n)
		w, h = max(w, x+a.w), max(h, y+a.h)
	}
	return w, h
}

// top is the largest column that is shown.
func (b Blocks) top() place.Place {
	top := max(b.UpTo, place.Tens)
	for _, k := range b.Ordered {
		top = max(top, k.Place)
	}
	return top
}

// cell is the blocks of one place and one row: an addend, or all together.
type cell struct {
	place  place.Place
	row    int
	blocks []Block
}

func layout(m board.Model) board.Layout {
	b := m.(Blocks)
	var l board.Layout
	if b.Mat {
		l = b.mat()
		l.Flags = append(l.Flags, "mat")
	} else {
		l = b.columnLayout()
	}
	if b.Sketch {
		l.Flags = append(l.Flags, "sketch")
	}
	return l
}

// columnLayout is a column for each place, largest left. Addends lie in rows
// until they are joined; new blocks stand a little apart in the first row.
func (b Blocks) columnLayout() board.Layout {
	rows := b.rows()
	heights := b.rowHeights(rows)
	var l board.Layout
	x := 0
	body := 2*pad + sum(heights) + rowGap*(len(rows)-1)
	for p := b.top(); p >= Smallest; p-- {
		width := b.columnWidth(p, rows)
		l.Zones = append(l.Zones, board.Zone{ID: p.Plural(), Label: p.Plural(), Count: b.count(p, Play), X: x, W: width, Offer: bundleOffer(p)})
		y := pad
		for i, row := range rows {
			c := b.cell(p, row)
			if b.isJoined(p) && i == 0 {
				c = b.cell(p, -1)
			} else if b.isJoined(p) {
				break
			}
			at := x + b.indent(c, width, i == 0)
			l.Pieces = b.put(l.Pieces, c, at, y, p.Plural())
			if i == 0 && !b.isJoined(p) {
				l.Pieces = b.put(l.Pieces, b.apartFrom(c), at+b.apartAt(c), y, p.Plural())
			}
			y += heights[i] + rowGap
		}
		x += width
	}
	l.W, l.H = x, max(body, b.joinedHeight()+2*pad)
	for i := range l.Zones {
		l.Zones[i].H = l.H
	}
	return b.tray(l)
}

// bundleOffer is what the foot of a column offers.
func bundleOffer(p place.Place) *board.Offer {
	if p == Largest {
		return nil
	}
	return &board.Offer{Label: say.New("verb.bundleColumn"), Move: board.Move{Kind: "bundle", Args: BundleArgs{Place: p}}}
}

// indent centres a narrow cell in its column, and holds a cell of up to ten
// where ten would be, so that blocks do not shift as they are counted in.
func (b Blocks) indent(c cell, width int, first bool) int {
	w := b.rowWidth(c, first)
	return (width - max(w, min(b.arrangement(c.place).width, width-2*pad))) / 2
}

// rows lists the addends that have blocks of their own, or the one row of none.
func (b Blocks) rows() []int {
	var has [MaxPart + 1]bool
	for _, k := range b.Ordered {
		if k.State != Taken && !b.isJoined(k.Place) {
			has[k.Part] = true
		}
	}
	var rows []int
	for part := 1; part <= MaxPart; part++ {
		if has[part] {
			rows = append(rows, part)
		}
	}
	if rows == nil {
		return []int{0}
	}
	return rows
}

// apartFrom is the blocks of no addend, when the cell is an addend's.
func (b Blocks) apartFrom(c cell) cell {
	if c.row <= 0 {
		return cell{place: c.place}
	}
	return b.cell(c.place, 0)
}

// apartAt is how far to the right of an addend the blocks of none begin.
func (b Blocks) apartAt(c cell) int {
	if w, _ := b.arrangement(c.place).extent(len(c.blocks)); w > 0 {
		return w + pad
	}
	return 0
}

// cell collects the blocks of a place in a row, -1 for all rows.
func (b Blocks) cell(p place.Place, row int) cell {
	c := cell{place: p, row: row}
	for _, k := range b.Ordered {
		if k.Place == p && k.State != Taken && (row < 0 || k.Part == row) {
			c.blocks = append(c.blocks, k)
		}
	}
	return c
}

func (b Blocks) rowHeights(rows []int) []int {
	heights := make([]int, len(rows))
	for i, row := range rows {
		heights[i] = b.minHeight()
		for p := b.top(); p >= Smallest; p-- {
			if b.isJoined(p) {
				continue
			}
			c := b.cell(p, row)
			_, h := b.arrangement(p).extent(len(c.blocks))
			heights[i] = max(heights[i], h)
			if i == 0 {
				_, h = b.arrangement(p).extent(len(b.apartFrom(c).blocks))
				heights[i] = max(heights[i], h)
			}
		}
	}
	return heights
}

func (b Blocks) joinedHeight() int {
	most := 0
	for _, p := range b.Joined {
		_, h := b.arrangement(p).extent(len(b.cell(p, -1).blocks))
		most = max(most, h)
	}
	return most
}

func (b Blocks) columnWidth(p place.Place, rows []int) int {
	a := b.arrangement(p)
	width := max(minWidth, min(a.width, 142)+2*pad)
	if b.isJoined(p) {
		rows = []int{-1}
	}
	for i, row := range rows {
		width = max(width, b.rowWidth(b.cell(p, row), i == 0)+2*pad)
	}
	return width
}

// rowWidth is the width of a cell, and in the first row of the blocks of no
// addend beside it.
func (b Blocks) rowWidth(c cell, first bool) int {
	a := b.arrangement(c.place)
	w, _ := a.extent(len(c.blocks))
	if !first {
		return w
	}
	if more, _ := a.extent(len(b.apartFrom(c).blocks)); more > 0 {
		return b.apartAt(c) + more
	}
	return w
}

// minHeight is the height of a row though it is empty.
func (b Blocks) minHeight() int {
	if b.Sketch {
		return minSketch
	}
	return minHeight
}

// put lays the blocks of a cell from a corner.
func (b Blocks) put(out []board.Sprite, c cell, x, y int, zone string) []board.Sprite {
	a := b.arrangement(c.place)
	for i, k := range c.blocks {
		dx, dy := a.slot(i, len(c.blocks))
		out = append(out, k.sprite(a, x+dx, y+dy, zone))
	}
	return out
}

func (k Block) sprite(a arrangement, x, y int, zone string) board.Sprite {
	s := board.Sprite{ID: k.ID, Look: a.look, X: x, Y: y, W: a.w, H: a.h, Zone: zone, Part: k.Part}
	s.Marks = [...]board.Marks{0, board.MarkCrossed, board.MarkTaken, board.MarkSpent}[k.State]
	if k.New {
		s.Marks |= board.MarkNew
	}
	if k.Ringed {
		s.Marks |= board.MarkRinged
	}
	return s
}

// tray adds the Taken tray at the right when something was taken.
func (b Blocks) tray(l board.Layout) board.Layout {
	left, y, wide := l.W+trayGap, pad, 0
	for p := Largest; p >= Smallest; p-- {
		c := cell{place: p}
		for _, k := range b.Ordered {
			if k.Place == p && k.State == Taken {
				c.blocks = append(c.blocks, k)
			}
		}
		if len(c.blocks) == 0 {
			continue
		}
		w, h := b.arrangement(p).extent(len(c.blocks))
		l.Pieces = b.put(l.Pieces, c, left+pad, y, "taken")
		y, wide = y+h+pad, max(wide, w)
	}
	if wide > 0 {
		width := max(minWidth, wide+2*pad)
		l.W, l.H = left+width, max(l.H, y)
		for i := range l.Zones {
			l.Zones[i].H = l.H
		}
		l.Zones = append(l.Zones, board.Zone{ID: "taken", Label: "taken", Count: b.takenCount(), X: left, W: width, H: l.H})
	}
	return l
}

func (b Blocks) takenCount() int {
	n := 0
	for p := Smallest; p <= Largest; p++ {
		n += b.count(p, Taken)
	}
	return n
}

// mat lays loose blocks where they were put and the rest tidily by place.
func (b Blocks) mat() board.Layout {
	l := board.Layout{W: matW, H: matH}
	x := pad
	for p := b.top(); p >= Smallest; p-- {
		c := b.cell(p, -1)
		a := b.arrangement(p)
		var slots cell
		slots.place = p
		for _, k := range c.blocks {
			if k.Loose {
				l.Pieces = append(l.Pieces, k.sprite(a, k.X, k.Y, "mat"))
			} else {
				slots.blocks = append(slots.blocks, k)
			}
		}
		w, h := a.extent(len(slots.blocks))
		l.Pieces = b.put(l.Pieces, slots, x, pad, "mat")
		if w > 0 {
			x += w + groupGap
		}
		l.W, l.H = max(l.W, x), max(l.H, h+2*pad)
	}
	l.Zones = []board.Zone{{ID: board.MatZone, Label: "mat", Count: len(b.Ordered), W: l.W, H: l.H}}
	return b.tray(l)
}

func clampX(x int) int { return max(0, min(x, 4*matW)) }
func clampY(y int) int { return max(0, min(y, 4*matH)) }

func sum(ns []int) int {
	total := 0
	for _, n := range ns {
		total += n
	}
	return total
}
