package discs

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
)

// Model units: a disc is 30 across, at a pitch of 34, in lines of five. A full
// column of more than fifty goes over to lines of ten.
const (
	disc      = 30
	pitch     = 34
	padX      = 12
	padY      = 14
	rowGap    = 16
	tightGap  = 10
	minLines  = 3 // of a row though it is empty
	many      = 50
	cardW     = 56
	cardH     = 68
	trackGap  = 26
	trackLine = 8                            // between tracks
	trackHigh = pitch + 2*padX - 4           // of a track with one line
	letter    = 20                           // of what a track says of itself
	runGap    = 10                           // in a track, after five and where the place changes
	track     = 10*pitch + 2*runGap + 2*padX // width of a track
	tightMin  = 3*pitch + 2*padX             // of a column in a tight room: room for its name
)

func layout(m board.Model, room board.Room) board.Layout {
	d := m.(Discs)
	g := newGrid(d, room)
	l := board.Layout{Pieces: make([]board.Sprite, 0, len(d.List)), Settings: d.settings()}
	if d.Dots {
		l.Flags = append(l.Flags, "dots")
	}
	if d.Cards {
		l.Flags = append(l.Flags, "cards")
	}
	if d.Traces {
		l.Flags = append(l.Flags, "traces")
	}
	if d.Together {
		l.Flags = append(l.Flags, "together")
	}
	g.columns(&l)
	d.putCards(&l, g)
	g.runDown(&l)
	d.point(&l, g)
	g.tracks(&l)
	g.tray(&l)
	return l
}

// grid is the discs of the chart, parted once by column and row; the row 0 is
// the start row.
type grid struct {
	Discs
	room        board.Room
	took        board.Room
	top, bottom place.Place
	cells       [place.Largest - place.Smallest + 1][MaxRows + 1][]pieces.Piece
	x, w        [place.Largest - place.Smallest + 1]int
	heights     []int
	start       bool
}

func newGrid(d Discs, room board.Room) *grid {
	g := &grid{Discs: d, room: room, took: board.Room{Columns: map[place.Place]int{}}}
	g.span()
	for _, k := range d.List {
		if k.State == pieces.Taken || k.Group > 0 {
			continue
		}
		r := row(&k)
		if d.Together {
			r = 1
		}
		if k.Start {
			r, g.start = 0, true
		}
		cell := &g.cells[k.Place-place.Smallest][r]
		*cell = append(*cell, k)
	}
	g.start = g.start || d.Began != ""
	x := 0
	for p := g.top; p >= g.bottom; p-- {
		i := p - place.Smallest
		most := 0
		for _, cell := range g.cells[i] {
			most = max(most, len(cell))
		}
		g.x[i], g.w[i] = x, g.width(most)
		if most > 0 {
			g.took.Columns[p] = g.w[i]
		}
		g.w[i] = max(g.w[i], room.Columns[p])
		x += g.w[i]
	}
	for r := range max(d.rows()+1, len(room.Rows)) {
		h := 0
		if r <= d.rows() {
			h = g.height(r)
			g.took.Rows = append(g.took.Rows, h)
		}
		g.heights = append(g.heights, room.Row(r, h))
	}
	return g
}

// span finds the columns that are shown: those of the chart, or in a tight room those
// that hold something and those between.
func (g *grid) span() {
	g.top, g.bottom = g.Discs.span()
	top, bottom, ok := g.room.Shows()
	if !ok {
		return
	}
	for _, k := range g.List {
		top, bottom = max(top, k.Place), min(bottom, k.Place)
	}
	g.top, g.bottom = top, bottom
}

// width is that of a column whose fullest row has n discs.
func (g *grid) width(n int) int {
	switch {
	case n > many:
		return 10*pitch + 10 + 2*padX
	case g.room.Tight:
		return max(tightMin, min(n, 5)*pitch+2*padX)
	}
	return 5*pitch + 2*padX
}

// height is that of a row: its fullest column tells.
func (g *grid) height(r int) int {
	if r == 0 && !g.start {
		return 0
	}
	lines := minLines
	if r == 0 || g.room.Tight {
		lines = 1
	}
	for _, column := range g.cells {
		n := len(column[r])
		per := 5
		if n > many {
			per = 10
		}
		lines = max(lines, (n+per-1)/per)
	}
	if r == 0 {
		lines++ // for the digits of the start
	}
	return lines*pitch + g.gap()
}

// gap is the one between rows: enough for the line, where there is no more room than pieces need.
func (g *grid) gap() int {
	if g.room.Tight {
		return tightGap
	}
	return rowGap
}

func slot(i, n int) (x, y int) {
	if n > many {
		return i%10*pitch + i%10/5*10, i / 10 * pitch
	}
	return i % 5 * pitch, i / 5 * pitch
}

func (d Discs) sprite(k *pieces.Piece, x, y int, zone string) board.Sprite {
	s := board.Sprite{ID: k.ID, Drawing: "disc " + k.Place.Plural(), X: int32(x), Y: int32(y), W: disc, H: disc,
		Zone: zone,
		Part: k.Part, Marks: k.Marks()}
	if d.Dots {
		s.Drawing = "dot " + k.Place.Plural()
	} else {
		s.Text = k.Place.Value().String()
	}
	return s
}

// columns lays the chart: a zone for each place, a row for each addend.
func (g *grid) columns(l *board.Layout) {
	total := 0
	for _, h := range g.heights {
		total += h
	}
	l.H = total + 2*padY - g.gap()
	l.Room = g.took
	for p := g.top; p >= g.bottom; p-- {
		i := p - place.Smallest
		name := p.Plural()
		z := board.Zone{ID: name, Label: name, Place: &p, Count: g.inColumn(p), X: g.x[i], W: g.w[i], H: l.H,
			Offer: kit.ColumnOffer(p)}
		if g.rows() > 1 {
			z.Text = pieces.Addends(g.List, p)
		}
		l.Zones = append(l.Zones, z)
		l.W = g.x[i] + g.w[i]
		y := padY
		for r, cell := range g.cells[i] {
			for n := range cell {
				dx, dy := slot(n, len(cell))
				l.Pieces = append(l.Pieces, g.sprite(&cell[n], g.x[i]+padX+dx, y+dy, name))
			}
			if r < len(g.heights) {
				y += g.heights[r]
			}
		}
	}
	y := 0
	for r, h := range g.heights {
		switch {
		case r == 0 && g.start:
			l.Decor = append(l.Decor, board.Decor{Kind: "start", Y: y, W: l.W, H: h})
			g.startDigits(l, y, h)
			y += h
		case r == 0:
			y += h
		case r <= g.rows():
			if g.rows() > 1 {
				name := "row " + strconv.Itoa(r)
				l.Zones = append(l.Zones, board.Zone{ID: name, Label: name, Count: g.inRow(r), Y: y, W: l.W, H: h, Side: true})
			}
			if r > 1 {
				l.Decor = append(l.Decor, board.Decor{Kind: "line", Y: y + padY/2, W: l.W})
			}
			y += h
		}
	}
}

// startDigits writes the number that the start row holds, digit for digit.
func (g *grid) startDigits(l *board.Layout, y, h int) {
	digits := map[place.Place]string{}
	if w, alone := readDigits(g.Began); alone {
		for _, d := range w.Digits() {
			digits[d.Place] = strconv.Itoa(d.Digit)
		}
	} else {
		var form place.UnitForm
		for p := g.top; p >= g.bottom; p-- {
			if n := len(g.cells[p-place.Smallest][0]); n > 0 {
				form = append(form, place.Count{Place: p, Count: n})
			}
		}
		n, err := form.Total()
		if err != nil {
			return
		}
		for _, d := range (place.Written{Number: n}).Digits() {
			digits[d.Place] = strconv.Itoa(d.Digit)
		}
	}
	for p := g.top; p >= g.bottom; p-- {
		digit, written := digits[p]
		if !written {
			continue
		}
		i := p - place.Smallest
		l.Decor = append(l.Decor, board.Decor{Kind: "startDigit", X: g.x[i] + (g.w[i]-pitch)/2, Y: y + h - pitch - 2,
			W: pitch, H: pitch,
			Text: digit, Zone: p.Plural()})
	}
}

// inColumn counts the discs in play in the chart's column, not on the tracks.
func (g *grid) inColumn(p place.Place) int {
	n := 0
	for _, cell := range g.cells[p-place.Smallest] {
		for i := range cell {
			if cell[i].State == pieces.Play {
				n++
			}
		}
	}
	return n
}

func (g *grid) inRow(r int) int {
	n := 0
	for _, column := range g.cells {
		for _, k := range column[r] {
			if k.State == pieces.Play {
				n++
			}
		}
	}
	return n
}

// putCards lays the digit cards below the chart, from the first digit that is
// not 0 down to the ones, or to the last decimal.
func (d Discs) putCards(l *board.Layout, g *grid) {
	if !d.Cards && d.Alone == "" {
		return
	}
	digit := d.digitAt()
	from, to := place.Ones, min(d.CardsTo, place.Ones)
	for p := g.top; p >= g.bottom; p-- {
		if digit(p) != "0" {
			from, to = max(from, p), min(to, p)
		}
	}
	if w, alone := readDigits(d.Alone); alone {
		to = min(to, place.Place(-w.Decimals))
	}
	y := l.H + padY
	for p := from; p >= to; p-- {
		i := p - place.Smallest
		l.Room.Columns[p] = max(l.Room.Columns[p], g.width(0))
		l.Pieces = append(l.Pieces, board.Sprite{
			ID: d.cards + board.PieceID((int(p-place.Smallest)-d.turned)%cardIDs+cardIDs)%cardIDs, Drawing: "card",
			X: int32(g.x[i] + (g.w[i]-cardW)/2), Y: int32(y), W: cardW, H: cardH, Zone: "cards", Text: digit(p),
		})
	}
	l.Decor = append(l.Decor, board.Decor{Kind: "line", Y: l.H, W: l.W})
	l.Zones = append(l.Zones, board.Zone{ID: "cards", Label: "digit cards", Y: l.H, W: l.W, H: cardH + 2*padY, Side: true})
	l.H += cardH + 2*padY
}

// digitAt gives what the card of a place says: how many discs lie there, or the
// digit of a number that stands alone.
func (d Discs) digitAt() func(place.Place) string {
	if w, alone := readDigits(d.Alone); alone {
		return func(p place.Place) string { return strconv.Itoa(w.Digit(p)) }
	}
	counts := pieces.Count(d.List, pieces.Play, pieces.AnyPart)
	return func(p place.Place) string { return strconv.Itoa(counts.Of(p)) }
}

// point is the decimal point, between ones and tenths.
func (d Discs) point(l *board.Layout, g *grid) {
	if g.bottom < place.Ones {
		i := place.Tenths - place.Smallest
		l.Decor = append(l.Decor, board.Decor{Kind: "point", X: g.x[i] - 7, Y: l.H - 24, W: 14, H: 14})
	}
}

// runDown has the columns run down to the end of the room, unless the tracks stand there.
func (g *grid) runDown(l *board.Layout) {
	l.H = max(l.H, g.room.Chart)
	l.Room.Chart = l.H
	if !g.room.Below {
		l.H = max(l.H, g.room.H)
	}
	for i := range l.Zones {
		if !l.Zones[i].Side {
			l.Zones[i].H = l.H
		}
	}
}

// inTrack places the discs of a track along its lines, counts the lines, and tells how wide the
// widest is: five and five of one place, with a gap where the place changes, so that 2 tens 4 ones
// are not five and one.
func inTrack(discs []pieces.Piece) (at [][2]int, lines, wide int) {
	at = make([][2]int, len(discs))
	x, line, run := 0, 0, 0
	for i := range discs {
		if i > 0 {
			x += pitch
			if other := discs[i].Place != discs[i-1].Place; other || run%5 == 0 {
				x += runGap
				if other {
					run = 0
				}
			}
		}
		if x+disc > track-2*padX {
			x, run = 0, 0
			line++
		}
		at[i] = [2]int{x, line * pitch}
		wide = max(wide, x+disc)
		run++
	}
	return at, line + 1, wide
}

// tracks lays the groups at the side of the chart or below it. In a tight room they are no wider
// than they need.
func (g *grid) tracks(l *board.Layout) {
	d := g.Discs
	if d.Groups == 0 {
		return
	}
	in := make([][]pieces.Piece, d.Groups)
	for _, k := range d.List {
		if k.Group > 0 && k.State != pieces.Taken {
			in[k.Group-1] = append(in[k.Group-1], k)
		}
	}
	worth := d.inGroups()
	places := make([][][2]int, d.Groups)
	for i, discs := range in {
		lines, wide := 0, 0
		places[i], lines, wide = inTrack(discs)
		l.Room.Track = max(l.Room.Track, (lines-1)*pitch+trackHigh)
		l.Room.Lane = max(l.Room.Lane, tightMin, wide+2*padX+len(worth[i])*letter)
	}
	l.Room.Groups, l.Room.Aside, l.Room.Wraps = d.Groups, true, d.Groups > 1
	w, least, n := track, 0, d.Groups
	if g.room.Tight {
		w, least, n = max(l.Room.Lane, g.room.Lane), max(l.Room.Track, g.room.Track), max(n, g.room.Groups)
	}
	rows := g.rowsOf(n, (l.W+trackLine)/(w+trackLine))
	left, y, even := l.W+trackGap, 0, (l.H-(rows-1)*trackLine)/rows
	if g.room.Below {
		left, y, even = 0, l.H+trackGap/2, 0
	}
	per, next := (n+rows-1)/rows, y
	for i, discs := range in {
		if i%per == 0 {
			y = next
		}
		x, name, count, h := left+i%per*(w+trackLine), "group "+strconv.Itoa(i+1), 0, max(even, least, trackHigh)
		for n := range discs {
			at := places[i][n]
			h = max(h, at[1]+trackHigh)
			l.Pieces = append(l.Pieces, d.sprite(&discs[n], x+padX+at[0], y+padX-2+at[1], name))
			if discs[n].State == pieces.Play {
				count++
			}
		}
		l.Zones = append(l.Zones, board.Zone{ID: name, Label: name, Count: count, Text: worth[i], X: x, Y: y, W: w, H: h})
		l.Decor = append(l.Decor, board.Decor{Kind: "group", X: x, Y: y, W: w, H: h, Zone: name})
		next = max(next, y+h+trackLine)
		l.W = max(l.W, x+w)
	}
	l.H = max(l.H, next-trackLine)
}

// rowsOf is in how many rows n tracks stand, where so many have room side by side under the chart.
func (g *grid) rowsOf(n, under int) int {
	per := 1
	switch {
	case !g.room.Tight:
	case g.room.Below && g.room.Abreast:
		per = min(n, 5)
	case g.room.Below:
		per = max(1, under)
	case g.room.Abreast:
		per = 2
	}
	return (n + per - 1) / per
}

// tray adds the Taken tray when something was taken, or will be in its room: at the right, or below.
func (g *grid) tray(l *board.Layout) {
	zone, taken := pieces.Tray(g.List)
	l.Room.Tray = len(taken)
	n := max(len(taken), g.room.Tray)
	if n == 0 {
		return
	}
	l.Room.Aside = true
	x, y, per := l.W+trackGap, 0, 5
	if n > many {
		per = 10
	}
	if g.room.Below {
		// Its name stands at the end, where a column's has room.
		named := slices.Max(g.w[:])
		x, y, per = 0, l.H+trackGap/2, max(per, (l.W-2*padX-named)/pitch)
	}
	for i := range taken {
		l.Pieces = append(l.Pieces, g.sprite(&taken[i], x+padX+i%per*pitch, y+padY+i/per*pitch, board.TakenZone))
	}
	w, h := per*pitch+2*padX, (n+per-1)/per*pitch+2*padY
	if g.room.Below {
		w = l.W
		l.Room.Track = max(l.Room.Track, h)
		h = max(h, g.room.Track)
	} else {
		h = max(l.H, h)
	}
	l.W, l.H = max(l.W, x+w), max(l.H, y+h)
	zone.X, zone.Y, zone.W, zone.H = x, y, w, h
	l.Zones = append(l.Zones, zone)
}

// settings are the chart's choices, for its controls.
func (d Discs) settings() map[string]string {
	top, bottom := d.span()
	s := map[string]string{
		"top": top.Plural(), "bottom": bottom.Plural(), "rows": strconv.Itoa(d.rows()), "groups": strconv.Itoa(d.Groups),
		"digits": d.Alone,
	}
	if d.Began != "" || slices.ContainsFunc(d.List, func(k pieces.Piece) bool { return k.Start }) {
		s["start"] = "yes"
	}
	if d.hasNeedless() {
		s["needless"] = "yes"
	}
	return s
}

// inGroups are the unit forms of the tracks.
func (d Discs) inGroups() []string {
	out := make([]string, d.Groups)
	for i := range out {
		var list []pieces.Piece
		for _, k := range d.List {
			if int(k.Group) == i+1 && k.State == pieces.Play {
				list = append(list, k)
			}
		}
		out[i] = pieces.Worth(list)
	}
	return out
}

func allEqual(list []string) bool {
	return strings.Join(list, " ") == strings.TrimSpace(strings.Repeat(list[0]+" ", len(list)))
}
