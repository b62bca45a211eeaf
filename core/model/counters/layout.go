package counters

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/model/pieces"
)

// Model units: a counter is 34 wide in a cell of 40. Lines of ten have a gap
// after five, so that they are seen without counting.
const (
	cell    = 40
	size    = 34
	nudge   = (cell - size) / 2
	fiveGap = 10
	gap     = 28 // between boxes
	caption = 84 // room for a count at a frame's edge
	minW    = 220
	minH    = 90
	inset   = 12 // of the counters in a group
	tallest = 7  // frames of one row that stand on one another
)

// box is a rectangle of the mat with its own counters.
type box struct {
	zone  board.Zone
	draw  []board.Decor
	lying []board.Sprite
}

// grid is boxes of the mat, so many side by side; down has them stand in stacks.
type grid struct {
	boxes   []box
	columns int
	down    bool
}

func layout(m board.Model, room board.Room) board.Layout {
	c := m.(Counters)
	l := board.Layout{Pieces: make([]board.Sprite, 0, len(c.List)), Settings: c.settings(), Counts: c.counts()}
	for _, f := range []struct {
		name string
		on   bool
	}{{"pairs", c.Pairs}, {"numerals", c.Numerals}, {"skip", c.Skip}} {
		if f.on {
			l.Flags = append(l.Flags, f.name)
		}
	}
	if c.areWays() {
		l.Flags = append(l.Flags, "ways")
	}
	frames, pile, groups := c.frameBoxes(), c.besideBox(room), c.groupBoxes(room)
	mat := []grid{{frames, c.frameColumns(), len(frames) > 0 && c.Frames[0].Rows == 1}, {boxes: pile, columns: 1}}
	if !room.Tight {
		y := lay(&l, room, append(mat, grid{boxes: groups, columns: min(len(groups), 2+len(groups)/5)}))
		w := max(l.W, minW)
		l.Move((w-l.W)/2, 0)
		l.W, l.H = w, max(y-gap, minH)
	} else {
		c.tightly(&l, room, mat, groups)
	}
	c.loose(&l)
	c.tray(&l, room)
	return l
}

// lay lays grids under one another and returns where the next may begin.
func lay(l *board.Layout, room board.Room, grids []grid) int {
	y := 0
	for _, g := range grids {
		took := g.lay(l, y)
		y += room.Row(len(l.Room.Rows), took)
		l.Room.Rows = append(l.Room.Rows, took)
	}
	return y
}

// tightly lays groups below the mat or at its right, where they stand in as many rows as the
// most of them do.
func (c Counters) tightly(l *board.Layout, room board.Room, mat []grid, groups []box) {
	left := lay(l, room, mat)
	for _, pile := range mat[1].boxes {
		l.Room.Pile = len(pile.lying)
	}
	n := max(len(groups), room.Groups)
	if n == 0 {
		l.H = max(left-gap, cell)
		return
	}
	l.Room.Groups = n
	for i := range groups {
		l.Room.Each = max(l.Room.Each, len(groups[i].lying))
	}
	rows := rowsOf(n, room.Way)
	var right board.Layout
	grid{boxes: groups, columns: (n + rows - 1) / rows}.lay(&right, 0)
	_, h := tightSize(max(room.Each, l.Room.Each), c.Unit != "")
	high := rows*(h+gap) - gap
	x, y := 0, left
	if l.H = left + high; !room.Below {
		l.H = max(left-gap, high, cell)
		l.Move(0, (l.H-left+gap)/2)
		// The pile has its room when all of it is shared, too.
		x, y = max(l.W, c.lineOf(room.Pile))+gap, (l.H-high)/2
	}
	right.Move(x, y)
	l.W = max(l.W, x+right.W)
	l.Zones, l.Decor = append(l.Zones, right.Zones...), append(l.Decor, right.Decor...)
	l.Pieces = append(l.Pieces, right.Pieces...)
	l.Room.Aside, l.Room.Wraps = left > 0, n > 1
}

// rowsOf is in how many rows groups stand: in few where the way is broad.
func rowsOf(n int, way board.Way) int {
	rows := 3 + n/10
	if way.Abreast {
		rows--
	}
	if way.Abreast && way.Below && n <= 5 {
		rows = 1
	}
	return min(n, rows)
}

// lay lays the boxes below y, row by row or stack by stack, and returns how high they stand,
// with a gap.
func (g grid) lay(l *board.Layout, y int) int {
	if len(g.boxes) == 0 {
		return 0
	}
	w, h := 0, 0
	for _, b := range g.boxes {
		w, h = max(w, b.zone.W), max(h, b.zone.H)
	}
	rows := (len(g.boxes) + g.columns - 1) / g.columns
	for i, b := range g.boxes {
		at, row := i%g.columns, i/g.columns
		if g.down {
			at, row = i/rows, i%rows
		}
		x, top := at*(w+gap), y+row*(h+gapFor(g.down))
		b.zone.X, b.zone.Y = x, top
		l.Zones = append(l.Zones, b.zone)
		for _, d := range b.draw {
			d.X, d.Y = d.X+x, d.Y+top
			l.Decor = append(l.Decor, d)
		}
		for _, s := range b.lying {
			s.X, s.Y = s.X+int32(x), s.Y+int32(top)
			l.Pieces = append(l.Pieces, s)
		}
		l.W = max(l.W, x+b.zone.W)
	}
	return rows*(h+gapFor(g.down)) - gapFor(g.down) + gap
}

func gapFor(down bool) int {
	if down {
		return 10
	}
	return gap
}

// frameColumns is how many frames lie side by side, for a mat about as wide as
// a board.
func (c Counters) frameColumns() int {
	n := len(c.Frames)
	if n == 0 {
		return 1
	}
	f := c.Frames[0]
	if f.Rows == 1 {
		return (n + tallest - 1) / tallest
	}
	best, least := 1, 1<<30
	for k := 1; k <= n; k++ {
		rows := (n + k - 1) / k
		w, h := k*(f.Columns*cell+gap), rows*(f.Rows*cell+gap)
		if side := max(w*10/17, h); side < least {
			best, least = k, side
		}
	}
	return best
}

// lookOf is the shape of a counter: that of its part.
func (c Counters) lookOf(k pieces.Piece) string {
	if k.Mint && c.Other != "" {
		return c.Other
	}
	return c.look()
}

func (c Counters) look() string {
	if c.Shape == "" {
		return Shapes[0]
	}
	return c.Shape
}

func (c Counters) sprite(k pieces.Piece, x, y int, zone string) board.Sprite {
	return board.Sprite{
		ID: k.ID, Drawing: c.lookOf(k), X: int32(x), Y: int32(y), W: size, H: size, Zone: zone,
		Part: int8(c.Colouring), Marks: k.Marks(),
	}
}

// frameBoxes are the frames with their cells, numerals, shading and counts.
func (c Counters) frameBoxes() []box {
	boxes, ways := make([]box, len(c.Frames)), c.areWays()
	for i, f := range c.Frames {
		id := "frame " + strconv.Itoa(i+1)
		b := &boxes[i]
		b.zone = board.Zone{ID: id, Label: id, W: f.Columns * cell, H: f.Rows * cell}
		for n := range f.cells() {
			d := board.Decor{Kind: "cell", X: n % f.Columns * cell, Y: n / f.Columns * cell, W: cell, H: cell, Zone: id}
			if f.isShaded(n, c.numeral(f, n)-1) {
				d.Kind = "shaded"
			}
			if c.Numerals {
				d.Text = strconv.Itoa(c.numeral(f, n) + i*f.cells())
			}
			b.draw = append(b.draw, d)
		}
		c.edge(b, f, i, ways)
	}
	for _, k := range c.List {
		if k.Frame == 0 || !lies(k) {
			continue
		}
		f, b := c.Frames[k.Frame-1], &boxes[k.Frame-1]
		b.lying = append(b.lying, c.sprite(k, int(k.Cell)%f.Columns*cell+nudge, int(k.Cell)/f.Columns*cell+nudge, b.zone.ID))
		if k.State == pieces.Play {
			b.zone.Count++
		}
	}
	return boxes
}

// isShaded tells whether a cell, the so-manieth to fill from 0, is shaded.
func (f CounterFrame) isShaded(n, nth int) bool {
	switch {
	case f.Every > 0:
		return nth/f.Every%2 == 1
	case f.Cells > 0:
		return nth >= f.Cells
	}
	at := n / f.Columns
	if f.Across {
		at = n % f.Columns
	}
	return f.Split > 0 && at >= f.Split
}

// numeral is the number of a cell, in the order in which cells fill.
func (c Counters) numeral(f CounterFrame, n int) int {
	if !c.Pairs {
		return n + 1
	}
	return n%f.Columns*f.Rows + n/f.Columns + 1
}

// areWays tells whether the frames are rows that stand under one another, all of
// them filled.
func (c Counters) areWays() bool {
	cells, lying := 0, 0
	for _, f := range c.Frames {
		if f.Rows > 1 {
			return false
		}
		cells += f.cells()
	}
	for _, k := range c.List {
		if k.Frame > 0 && lies(k) {
			lying++
		}
	}
	return len(c.Frames) > 1 && lying == cells
}

// edge writes beside a frame: the counts row by row when skip-counting is shown,
// and the two parts where frames of one row stand as all the ways.
func (c Counters) edge(b *box, f CounterFrame, i int, ways bool) {
	text := func(row int, s string) {
		b.zone.W = f.Columns*cell + caption
		b.draw = append(b.draw, board.Decor{Kind: "caption", X: f.Columns*cell + 8, Y: row * cell, W: caption - 8, H: cell,
			Text: s, Zone: b.zone.ID})
	}
	switch {
	case c.Skip:
		for row := range f.Rows {
			text(row, strconv.Itoa((row+1)*f.Columns))
		}
	case ways:
		var berry, mint int
		for _, k := range c.inFrame(i + 1) {
			if k.Mint {
				mint++
			} else {
				berry++
			}
		}
		text(0, strconv.Itoa(berry)+" + "+strconv.Itoa(mint))
	}
}

// slot is the place of counter i in lines of ten, five and five, or of five.
func (c Counters) slot(i int) (x, y int) {
	if c.ByFives {
		return i % 5 * cell, i / 5 * cell
	}
	return i%10*cell + i%10/5*fiveGap, i / 10 * cell
}

// lineOf is how wide the longest line of so many counters is.
func (c Counters) lineOf(n int) int {
	most := 10
	if c.ByFives {
		most = 5
	}
	if n = min(n, most); n == 0 {
		return 0
	}
	x, _ := c.slot(n - 1)
	return x + cell
}

// besideBox is the counters in no frame and no group, in lines.
func (c Counters) besideBox(room board.Room) []box {
	b := box{zone: board.Zone{ID: "beside", Label: "beside", W: c.lineOf(10), H: cell}}
	i := 0
	for _, k := range c.List {
		if !lies(k) || k.Frame > 0 || k.Group > 0 || k.Loose {
			continue
		}
		x, y := c.slot(i)
		i++
		b.lying = append(b.lying, c.sprite(k, x+nudge, y+nudge, "beside"))
		b.zone.H = y + cell
		if k.State == pieces.Play {
			b.zone.Count++
		}
	}
	if i == 0 && len(c.Frames)+c.Groups > 0 {
		return nil
	}
	if room.Tight {
		b.zone.W = c.lineOf(max(1, i, room.Pile))
	}
	return []box{b}
}

// groupSize is that of a group of so many: two lines of five at least, for a hand to put more in.
func groupSize(most int) (w, h int) { return 5*cell + 2*inset, max(2, (most+4)/5)*cell + 2*inset }

// tightSize is no more than so many need, and a unit's name.
func tightSize(most int, named bool) (w, h int) {
	line := 5
	if !named {
		line = min(5, max(2, most))
	}
	return line*cell + 2*inset, max(1, (most+4)/5)*cell + 2*inset
}

// groupBoxes are the groups, all of one size, their counters in lines of five.
func (c Counters) groupBoxes(room board.Room) []box {
	boxes := make([]box, c.Groups)
	n := make([]int, c.Groups)
	most := 0
	for _, k := range c.List {
		if k.Group > 0 && lies(k) {
			n[k.Group-1]++
			most = max(most, n[k.Group-1])
		}
	}
	w, h := groupSize(most)
	if room.Tight {
		most = max(most, room.Each)
		w, h = tightSize(most, c.Unit != "")
	}
	for i := range boxes {
		id := "group " + strconv.Itoa(i+1)
		boxes[i].zone = board.Zone{ID: id, Label: id, W: w, H: h}
		if c.Unit != "" {
			boxes[i].zone.Text = c.counted(c.inGroup(i + 1))
		}
		boxes[i].draw = []board.Decor{{Kind: "group", W: boxes[i].zone.W, H: boxes[i].zone.H, Zone: id}}
	}
	clear(n)
	for _, k := range c.List {
		if k.Group == 0 || !lies(k) {
			continue
		}
		b, at := &boxes[k.Group-1], n[k.Group-1]
		n[k.Group-1]++
		b.lying = append(b.lying, c.sprite(k, inset+at%5*cell+nudge, inset+at/5*cell+nudge, b.zone.ID))
		if k.State == pieces.Play {
			b.zone.Count++
		}
	}
	return boxes
}

// loose lays the counters that were put somewhere freely.
func (c Counters) loose(l *board.Layout) {
	n, any := 0, false
	for _, k := range c.List {
		if k.Loose && lies(k) {
			l.Pieces = append(l.Pieces, c.sprite(k, int(k.X), int(k.Y), board.MatZone))
			l.W, l.H = max(l.W, int(k.X)+cell), max(l.H, int(k.Y)+cell)
			any = true
			if k.State == pieces.Play {
				n++
			}
		}
	}
	if any {
		l.Zones = append(l.Zones, board.Zone{ID: board.MatZone, Label: board.MatZone, Count: n, W: l.W, H: l.H, Side: true})
	}
}

// tray adds the Taken tray at the right when something was taken, or will be in its room.
func (c Counters) tray(l *board.Layout, room board.Room) {
	var taken []pieces.Piece
	for _, k := range c.List {
		if !lies(k) {
			taken = append(taken, k)
		}
	}
	l.Room.Tray = len(taken)
	n := max(len(taken), room.Tray)
	if n == 0 {
		return
	}
	columns := max(2, (n*cell+l.H-1)/l.H)
	if columns > 2 {
		columns = 5
	}
	x := l.W + gap
	for i, k := range taken {
		l.Pieces = append(l.Pieces, c.sprite(k, x+inset+i%columns*cell+nudge, inset+i/columns*cell+nudge, board.TakenZone))
	}
	w := columns*cell + 2*inset
	l.W, l.H = x+w, max(l.H, (n+columns-1)/columns*cell+2*inset)
	zone := board.Zone{ID: board.TakenZone, Label: board.TakenZone, Count: len(taken)}
	zone.X, zone.W, zone.H = x, w, l.H
	l.Zones = append(l.Zones, zone)
}

// counts are the two parts of what is in play.
func (c Counters) counts() map[string]string {
	berry, mint := c.faces()
	return map[string]string{"first": strconv.Itoa(berry), "second": strconv.Itoa(mint),
		"whole": strconv.Itoa(berry + mint)}
}

// settings are the model's choices, for its controls.
func (c Counters) settings() map[string]string {
	s := map[string]string{
		"shape": c.look(), "colouring": strconv.Itoa(c.Colouring), "unit": c.Unit, "story": c.Story,
		"frames": strconv.Itoa(len(c.Frames)), "groups": strconv.Itoa(c.Groups), "lines": "10",
	}
	if c.ByFives {
		s["lines"] = "5"
	}
	if c.Other != "" {
		s["other"] = c.Other
	}
	if len(c.Frames) > 0 {
		f := c.Frames[0]
		s["rows"], s["columns"], s["split"] = strconv.Itoa(f.Rows), strconv.Itoa(f.Columns), strconv.Itoa(f.Split)
		if f.Across {
			s["across"] = "yes"
		}
		s["shadeAfter"], s["every"] = strconv.Itoa(f.Cells), strconv.Itoa(f.Every)
	}
	return s
}
