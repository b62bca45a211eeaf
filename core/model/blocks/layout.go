package blocks

import (
	"maps"
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
)

// Model units: a single block is 10 by 10. Ten of a size fill the shape of the
// next, with a gap after five, so that a full ten is seen without counting.
const (
	pad       = 14  // around the blocks of a column
	rowGap    = 22  // between the rows of two addends
	groupGap  = 30  // between places on the open mat
	minWidth  = 84  // of a column
	minHeight = 104 // of a row
	minSketch = 76  // of a row in a sketch
	trayGap   = 26
	lean      = 6 // of each block of a pile, so that its edge is seen

	// In a tight room.
	tightPad = 5
	tightRow = 10 // between the rows of two addends
	tightMin = 62 // of a column: room for its name
	stagger  = 14 // of each block of a pile
	// Between two addends that lie across.
	acrossGap = 16
)

// matSizes are the open mats on which blocks up to a place have room to be moved, unless there are
// more of them.
var matSizes = map[place.Place]board.Size{place.Tens: {W: 300, H: 170}, place.Hundreds: {W: 460, H: 260}}

// largeMat is the mat of larger blocks.
var largeMat = board.Size{W: 720, H: 420}

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

// inLine fills tens beside one another, five and five.
func inLine(pitch, five, ten int) func(i, n int) (int, int) {
	return func(i, _ int) (int, int) { return i/10*ten + gap5(i%10, pitch, five), 0 }
}

// closePiles stacks flats in piles of five whose edges alone are seen, two piles to a row.
func closePiles(size int) func(i, n int) (int, int) {
	pile, high := size+4*lean+stagger, size+4*stagger
	return func(i, _ int) (int, int) { return i/5%2*pile + i%5*lean, i%5*stagger + i/10*(high+tightRow) }
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
	// The shapes begin again: a long and a flat of big cubes, drawn small.
	place.TenThousands:     {"ten thousand", 18, 136, inRow(24, 8, 150), 242},
	place.HundredThousands: {"hundred thousand", 136, 136, piles(174, 48, 136), 334},
}

var sketch = map[place.Place]arrangement{
	place.Ones:             {"one", 12, 12, dots, 27},
	place.Tens:             {"ten", 6, 72, inRow(13, 7, 86), 130},
	place.Hundreds:         {"hundred", 34, 34, inFive(40), 194},
	place.Thousands:        {"thousand", 46, 46, inFive(52), 254},
	place.TenThousands:     {"ten thousand", 12, 80, inRow(20, 8, 92), 206},
	place.HundredThousands: {"hundred thousand", 56, 56, inFive(62), 304},
}

// inFive fills rows of five.
func inFive(pitch int) func(i, n int) (int, int) {
	return func(i, _ int) (int, int) { return i % 5 * pitch, i / 5 * pitch }
}

// tight is solid, its piles laid close.
var tight = func() map[place.Place]arrangement {
	all := maps.Clone(solid)
	for _, p := range []place.Place{place.Hundreds, place.Thousands, place.HundredThousands} {
		a := all[p]
		a.slot = closePiles(a.w)
		all[p] = a
	}
	return all
}()

// abreast is tight, with the rods beyond ten beside the ten and not under it.
var abreast = func() map[place.Place]arrangement {
	all := maps.Clone(tight)
	for p, slot := range map[place.Place]func(i, n int) (int, int){
		place.Tens: inLine(14, 6, 142+rowGap), place.TenThousands: inLine(24, 8, 242+rowGap),
	} {
		a := all[p]
		a.slot = slot
		all[p] = a
	}
	return all
}()

func (g *grid) arrangement(p place.Place) arrangement {
	switch {
	case g.Sketch:
		return sketch[p]
	case g.room.Abreast:
		return abreast[p]
	case g.room.Tight:
		return tight[p]
	}
	return solid[p]
}

// period is after how many blocks every arrangement begins again, further down.
const period = 100

// extent is the size of n blocks of a place: the first and the last period tell.
func (a arrangement) extent(n int) (w, h int) {
	for i := 0; i < n; i++ {
		if i == period {
			i = max(i, n-period)
		}
		x, y := a.slot(i, n)
		w, h = max(w, x+a.w), max(h, y+a.h)
	}
	return w, h
}

// top is the largest column that is shown.
func (g *grid) top() place.Place {
	top := max(g.UpTo, place.Tens)
	if t, _, ok := g.room.Shows(); ok {
		top = max(t, Smallest)
	}
	// The largest place lies first.
	if len(g.Ordered) > 0 {
		top = max(top, g.Ordered[0].Place)
	}
	return top
}

// cell is the blocks of one place and one row: an addend, or all together, with
// the room that they take.
type cell struct {
	place  place.Place
	row    int
	blocks []pieces.Piece
	w, h   int
}

// all is the row of a cell that holds the blocks of every addend.
const all = -1

// grid is the blocks of a layout, parted once into cells; taken blocks are in
// the tray and not here.
type grid struct {
	Blocks
	room        board.Room
	pad, rowGap int
	cells       [Largest + 1][MaxPart + 2]cell
}

func (b Blocks) grid(room board.Room) *grid {
	g := &grid{Blocks: b, room: room, pad: pad, rowGap: rowGap}
	if room.Tight {
		g.pad, g.rowGap = tightPad, tightRow
	}
	for p := Smallest; p <= Largest; p++ {
		for row := all; row <= MaxPart; row++ {
			g.cells[p][row+1] = cell{place: p, row: row}
		}
	}
	for start := 0; start < len(b.Ordered); {
		p, end := b.Ordered[start].Place, start
		for end < len(b.Ordered) && b.Ordered[end].Place == p {
			end++
		}
		g.fill(p, b.Ordered[start:end])
		start = end
	}
	for p := range g.cells {
		for i := range g.cells[p] {
			c := &g.cells[p][i]
			c.w, c.h = g.arrangement(c.place).extent(len(c.blocks))
		}
	}
	return g
}

// fill parts the blocks of a place by row. Where nothing is taken the blocks are
// used as they lie, without a copy: a board may hold thousands.
func (g *grid) fill(p place.Place, blocks []pieces.Piece) {
	lie := blocks
	if slices.ContainsFunc(blocks, func(k pieces.Piece) bool { return k.State == pieces.Taken }) {
		lie = slices.DeleteFunc(slices.Clone(blocks), func(k pieces.Piece) bool { return k.State == pieces.Taken })
	}
	g.cells[p][all+1].blocks = lie
	for start := 0; start < len(lie); {
		part, end := lie[start].Part, start
		for end < len(lie) && lie[end].Part == part {
			end++
		}
		c := &g.cells[p][part+1]
		if c.blocks == nil {
			c.blocks = lie[start:end:end]
		} else {
			c.blocks = append(c.blocks, lie[start:end]...)
		}
		start = end
	}
}

// cell is the blocks of a place in a row.
func (g *grid) cell(p place.Place, row int) cell { return g.cells[p][row+1] }

func layout(m board.Model, room board.Room) board.Layout {
	b := m.(Blocks)
	var l board.Layout
	if b.Mat {
		l = b.grid(room).mat()
		l.Flags = append(l.Flags, "mat")
	} else {
		l = b.grid(room).columns()
	}
	if b.Sketch {
		l.Flags = append(l.Flags, "sketch")
	}
	if b.Colour != "" {
		l.Flags = append(l.Flags, b.Colour)
	}
	if b.Names {
		l.Flags = append(l.Flags, "names")
	}
	if b.Traces {
		l.Flags = append(l.Flags, "traces")
	}
	return l
}

// columnLayout is a column for each place, largest left. Addends lie in rows
// until they are joined; new blocks stand a little apart in the first row.
func (g *grid) columns() board.Layout {
	rows := g.rows()
	heights := g.rowHeights(rows)
	addends := len(rows) > 1
	g.room.Across = g.room.Across && addends
	if g.room.Across {
		heights = []int{slices.Max(heights)}
	}
	took := board.Room{Columns: map[place.Place]int{}, Rows: slices.Clone(heights)}
	for i := range heights {
		heights[i] = g.room.Row(i, heights[i])
	}
	counts := pieces.Count(g.Ordered, pieces.Play, pieces.AnyPart)
	l := board.Layout{Pieces: make([]board.Sprite, 0, len(g.Ordered))}
	for p := g.top(); p >= Smallest; p-- {
		width := g.columnWidth(p, rows)
		if len(g.cell(p, all).blocks) > 0 {
			took.Columns[p] = width
		}
		took.Wraps = took.Wraps || g.wraps(p)
		width = max(width, g.room.Columns[p])
		z := board.Zone{ID: p.Plural(), Label: p.Plural(), Place: &p, Count: counts.Of(p), X: l.W, W: width,
			Offer: kit.ColumnOffer(p)}
		if addends && !g.isJoined(p) {
			z.Text = pieces.Addends(g.Ordered, p)
		}
		l.Zones = append(l.Zones, z)
		l.Pieces = g.putColumn(l.Pieces, p, l.W, width, rows, heights)
		l.W += width
	}
	l.H = max(2*g.pad+sum(heights)+g.rowGap*(len(heights)-1), g.joinedHeight()+2*g.pad, g.room.Chart)
	took.Chart, took.Addends = l.H, addends
	if !g.room.Below {
		l.H = max(l.H, g.room.H)
	}
	l.Room = took
	for i := range l.Zones {
		l.Zones[i].H = l.H
	}
	return g.tray(l)
}

// wraps reports whether rods lie under a row of ten of them, where they may.
func (g *grid) wraps(p place.Place) bool {
	if p != place.Tens && p != place.TenThousands {
		return false
	}
	if g.isJoined(p) {
		return len(g.cell(p, all).blocks) > 10
	}
	return slices.ContainsFunc(g.cells[p][all+2:], func(c cell) bool { return len(c.blocks) > 10 })
}

// putColumn lays the blocks of a place: all together, or a row for each addend.
func (g *grid) putColumn(out []board.Sprite, p place.Place, x, width int, rows, heights []int) []board.Sprite {
	if g.isJoined(p) {
		c := g.cell(p, all)
		return g.put(out, c, x+g.indent(p, c.w, width), g.pad, p.Plural())
	}
	if g.room.Across {
		return g.putAcross(out, p, x+g.pad, rows)
	}
	y := g.pad
	for i, row := range rows {
		c := g.cell(p, row)
		at := x + g.indent(p, g.rowWidth(c, i == 0), width)
		out = g.put(out, c, at, y, p.Plural())
		if i == 0 {
			out = g.put(out, g.apartFrom(c), at+g.apartAt(c), y, p.Plural())
		}
		y += heights[i] + g.rowGap
	}
	return out
}

// putAcross lays the addends of a place beside one another.
func (g *grid) putAcross(out []board.Sprite, p place.Place, x int, rows []int) []board.Sprite {
	for i, row := range rows {
		c := g.cell(p, row)
		out = g.put(out, c, x, g.pad, p.Plural())
		if i == 0 {
			out = g.put(out, g.apartFrom(c), x+g.apartAt(c), g.pad, p.Plural())
		}
		if w := g.rowWidth(c, i == 0); w > 0 {
			x += w + acrossGap
		}
	}
	return out
}

// acrossWidth is the width of the addends of a place beside one another.
func (g *grid) acrossWidth(p place.Place, rows []int) int {
	width := 0
	for i, row := range rows {
		if w := g.rowWidth(g.cell(p, row), i == 0); w > 0 {
			width += w + acrossGap
		}
	}
	return width - acrossGap
}

// indent centres a narrow row in its column, and holds a row of up to ten where
// ten would be, so that blocks do not shift as they are counted in.
func (g *grid) indent(p place.Place, w, width int) int {
	if g.room.Tight {
		return g.pad
	}
	return (width - max(w, min(g.arrangement(p).width, width-2*g.pad))) / 2
}

// rows lists the addends that have blocks of their own, or the one row of none.
func (b Blocks) rows() []int {
	var has [MaxPart + 1]bool
	for i := range b.Ordered {
		if k := &b.Ordered[i]; k.Part > 0 && k.State != pieces.Taken && !b.isJoined(k.Place) {
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
func (g *grid) apartFrom(c cell) cell {
	if c.row <= 0 {
		return cell{place: c.place}
	}
	return g.cell(c.place, 0)
}

// apartAt is how far to the right of an addend the blocks of none begin.
func (g *grid) apartAt(c cell) int {
	// In a tight room a new block of a pile lies on it, a little further apart than they do.
	if g.room.Tight && !g.Sketch && c.w >= solid[place.Hundreds].w {
		return (len(c.blocks)-1)%5*lean + 6*lean
	}
	if c.w > 0 {
		return c.w + g.pad
	}
	return 0
}

func (g *grid) rowHeights(rows []int) []int {
	heights := make([]int, len(rows))
	for i, row := range rows {
		heights[i] = g.minHeight()
		for p := g.top(); p >= Smallest; p-- {
			if g.isJoined(p) {
				continue
			}
			c := g.cell(p, row)
			heights[i] = max(heights[i], c.h)
			if i == 0 {
				heights[i] = max(heights[i], g.apartFrom(c).h)
			}
		}
	}
	return heights
}

func (g *grid) joinedHeight() int {
	most := 0
	for _, p := range g.Joined {
		most = max(most, g.cell(p, all).h)
	}
	return most
}

func (g *grid) columnWidth(p place.Place, rows []int) int {
	width := max(minWidth, min(g.arrangement(p).width, 142)+2*pad)
	if g.room.Tight {
		width = tightMin
	}
	if g.isJoined(p) {
		return max(width, g.cell(p, all).w+2*g.pad)
	}
	if g.room.Across {
		return max(width, g.acrossWidth(p, rows)+2*g.pad)
	}
	for i, row := range rows {
		width = max(width, g.rowWidth(g.cell(p, row), i == 0)+2*g.pad)
	}
	return width
}

// rowWidth is the width of a cell, and in the first row of the blocks of no
// addend beside it.
func (g *grid) rowWidth(c cell, first bool) int {
	if apart := g.apartFrom(c); first && apart.w > 0 {
		return g.apartAt(c) + apart.w
	}
	return c.w
}

// minHeight is the height of a row though it is empty.
func (g *grid) minHeight() int {
	if g.room.Tight {
		return 10
	}
	if g.Sketch {
		return minSketch
	}
	return minHeight
}

// put lays the blocks of a cell from a corner.
func (g *grid) put(out []board.Sprite, c cell, x, y int, zone string) []board.Sprite {
	a := g.arrangement(c.place)
	for i := range c.blocks {
		dx, dy := a.slot(i, len(c.blocks))
		out = append(out, sprite(&c.blocks[i], a, x+dx, y+dy, zone))
	}
	return out
}

func sprite(k *pieces.Piece, a arrangement, x, y int, zone string) board.Sprite {
	if k.Turned {
		a.w, a.h = a.h, a.w
	}
	return board.Sprite{ID: k.ID, Drawing: a.look, X: int32(x), Y: int32(y), W: int32(a.w), H: int32(a.h), Zone: zone,
		Part: k.Part, Marks: k.Marks()}
}

// tray adds the Taken tray when something was taken, or will be in its room: at the right, or below.
func (g *grid) tray(l board.Layout) board.Layout {
	zone, taken := pieces.Tray(g.Ordered)
	if l.Room.Tray = len(taken); max(l.Room.Tray, g.room.Tray) == 0 {
		return l
	}
	l.Room.Aside = true
	cells := g.takenCells(taken, &l.Room)
	if g.room.Below {
		return g.trayBelow(l, zone, cells)
	}
	abreast, high := g.room.Abreast, g.pad
	for _, c := range cells {
		if c.h > 0 {
			high += c.h + g.pad
		}
	}
	// On a free board nothing grows higher for what was taken, where it can lie beside it.
	abreast = abreast || !g.room.Tight && high > l.H
	left, y := l.W+trayGap, g.pad
	x := left + g.pad
	right := x
	for _, c := range cells {
		if abreast {
			x = right + g.pad
		}
		right = max(right, x+c.w)
		if c.h == 0 {
			continue
		}
		l.Pieces = g.put(l.Pieces, c, x, y, board.TakenZone)
		l.H = max(l.H, y+c.h+g.pad)
		if !abreast {
			y += c.h + g.pad
		}
	}
	width := max(minWidth, right+g.pad-left)
	l.W = left + width
	for i := range l.Zones {
		l.Zones[i].H = l.H
	}
	zone.X, zone.W, zone.H = left, width, l.H
	l.Zones = append(l.Zones, zone)
	return l
}

// trayBelow lays what was taken in one row below the columns, place beside place. Its name
// stands at the end, where a column's has room.
func (g *grid) trayBelow(l board.Layout, zone board.Zone, cells []cell) board.Layout {
	top := l.H + g.rowGap
	x, high := 0, 0
	for _, c := range cells {
		l.Pieces = g.put(l.Pieces, c, x+g.pad, top+g.pad, board.TakenZone)
		x, high = x+c.w+2*g.pad, max(high, c.h)
	}
	h := high + 2*g.pad
	l.Room.Track = h
	h = max(h, g.room.Track)
	named := 0
	for _, z := range l.Zones {
		named = max(named, z.W)
	}
	l.W, l.H = max(l.W, x+named), top+h
	zone.Y, zone.W, zone.H = top, l.W, h
	l.Zones = append(l.Zones, zone)
	return l
}

// takenCells are the blocks that were taken, place by place from the largest, with the widths that
// the room keeps: a place is among them before anything of it is taken.
func (g *grid) takenCells(taken []pieces.Piece, room *board.Room) []cell {
	room.Taken = map[place.Place]int{}
	var cells []cell
	for p := Largest; p >= Smallest; p-- {
		c := cell{place: p}
		for _, k := range taken {
			if k.Place == p {
				c.blocks = append(c.blocks, k)
			}
		}
		c.w, c.h = g.arrangement(p).extent(len(c.blocks))
		if c.w > 0 {
			room.Taken[p] = c.w
		}
		if c.w = max(c.w, g.room.Taken[p]); c.w > 0 {
			cells = append(cells, c)
		}
	}
	return cells
}

// mat lays loose blocks where they were put and the rest tidily by place.
func (g *grid) mat() board.Layout {
	l := board.Layout{Pieces: make([]board.Sprite, 0, len(g.Ordered))}
	if !g.room.Tight {
		size, small := matSizes[g.top()]
		if !small {
			size = largeMat
		}
		l.W, l.H = size.W, size.H
	}
	l.Room.Columns = map[place.Place]int{}
	x := pad
	for p := g.top(); p >= Smallest; p-- {
		c := g.cell(p, all)
		a := g.arrangement(p)
		slots := cell{place: p}
		for _, k := range c.blocks {
			if k.Loose {
				s := sprite(&k, a, int(k.X), int(k.Y), board.MatZone)
				l.Pieces = append(l.Pieces, s)
				l.W, l.H = max(l.W, int(s.X+s.W)+pad), max(l.H, int(s.Y+s.H)+pad)
			} else {
				slots.blocks = append(slots.blocks, k)
			}
		}
		w, h := a.extent(len(slots.blocks))
		l.Pieces = g.put(l.Pieces, slots, x, pad, board.MatZone)
		if w > 0 {
			l.Room.Columns[p] = w
		}
		if w = max(w, g.room.Columns[p]); w > 0 {
			x += w + groupGap
		}
		l.W, l.H = max(l.W, x), max(l.H, h+2*pad)
	}
	l.Zones = []board.Zone{{ID: board.MatZone, Label: "mat", Count: len(g.Ordered), W: l.W, H: l.H}}
	return g.tray(l)
}

func sum(ns []int) int {
	total := 0
	for _, n := range ns {
		total += n
	}
	return total
}
