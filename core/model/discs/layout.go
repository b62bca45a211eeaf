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
	disc     = 30
	pitch    = 34
	padX     = 12
	padY     = 14
	rowGap   = 16
	minLines = 3 // of a row though it is empty
	many     = 50
	cardW    = 56
	cardH    = 68
	trackGap = 26
	track    = 10*pitch + 10 + 2*padX // width of a track
)

func layout(m board.Model) board.Layout {
	d := m.(Discs)
	g := newGrid(d)
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
	d.point(&l, g)
	d.tracks(&l)
	d.tray(&l)
	return l
}

// grid is the discs of the chart, parted once by column and row; the row 0 is
// the start row.
type grid struct {
	Discs
	top, bottom place.Place
	cells       [place.Largest - place.Smallest + 1][MaxRows + 1][]pieces.Piece
	x, w        [place.Largest - place.Smallest + 1]int
	heights     []int
	start       bool
}

func newGrid(d Discs) *grid {
	g := &grid{Discs: d}
	g.top, g.bottom = d.span()
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
		g.x[i], g.w[i] = x, 5*pitch+2*padX
		for _, cell := range g.cells[i] {
			if len(cell) > many {
				g.w[i] = 10*pitch + 10 + 2*padX
			}
		}
		x += g.w[i]
	}
	for r := range d.rows() + 1 {
		g.heights = append(g.heights, g.height(r))
	}
	return g
}

// height is that of a row: its fullest column tells.
func (g *grid) height(r int) int {
	if r == 0 && !g.start {
		return 0
	}
	lines := minLines
	if r == 0 {
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
	return lines*pitch + rowGap
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
	l.H = total + 2*padY - rowGap
	for p := g.top; p >= g.bottom; p-- {
		i := p - place.Smallest
		name := p.Plural()
		l.Zones = append(l.Zones, board.Zone{ID: name, Label: name, Place: &p, Count: g.inColumn(p), X: g.x[i], W: g.w[i],
			H: l.H, Offer: kit.ColumnOffer(p)})
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
		case r > 0:
			if len(g.heights) > 2 {
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
		l.Pieces = append(l.Pieces, board.Sprite{
			ID: d.cards + board.PieceID((int(p-place.Smallest)-d.turned)%cardIDs+cardIDs)%cardIDs, Drawing: "card",
			X: int32(g.x[i] + (g.w[i]-cardW)/2), Y: int32(y), W: cardW, H: cardH, Zone: "cards", Text: digit(p),
		})
	}
	l.Decor = append(l.Decor, board.Decor{Kind: "line", Y: l.H, W: l.W})
	l.Zones = append(l.Zones, board.Zone{ID: "cards", Label: "digit cards", Y: l.H, W: l.W, H: cardH + 2*padY, Side: true})
	l.H += cardH + 2*padY
	// The columns run down to the cards.
	for i := range l.Zones {
		if !l.Zones[i].Side {
			l.Zones[i].H = l.H
		}
	}
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

// tracks lays the groups at the side, their discs in lines of ten.
func (d Discs) tracks(l *board.Layout) {
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
	x, y := l.W+trackGap, 0
	even := (l.H - (d.Groups-1)*8) / d.Groups
	for i, discs := range in {
		name := "group " + strconv.Itoa(i+1)
		h := max(pitch+2*padX-4, even, (len(discs)+9)/10*pitch+2*padX-4)
		count := 0
		for n := range discs {
			l.Pieces = append(l.Pieces, d.sprite(&discs[n], x+padX+n%10*pitch+n%10/5*10, y+padX-2+n/10*pitch, name))
			if discs[n].State == pieces.Play {
				count++
			}
		}
		l.Zones = append(l.Zones, board.Zone{ID: name, Label: name, Count: count, Text: worth[i], X: x, Y: y, W: track, H: h})
		l.Decor = append(l.Decor, board.Decor{Kind: "group", X: x, Y: y, W: track, H: h, Zone: name})
		y += h + 8
	}
	l.W, l.H = x+track, max(l.H, y-8)
}

// tray adds the Taken tray at the right when something was taken.
func (d Discs) tray(l *board.Layout) {
	var taken []pieces.Piece
	for _, k := range d.List {
		if k.State == pieces.Taken {
			taken = append(taken, k)
		}
	}
	if len(taken) == 0 {
		return
	}
	x := l.W + trackGap
	per := 5
	if len(taken) > many {
		per = 10
	}
	for i := range taken {
		l.Pieces = append(l.Pieces, d.sprite(&taken[i], x+padX+i%per*pitch, padY+i/per*pitch, "taken"))
	}
	w := per*pitch + 2*padX
	l.W, l.H = x+w, max(l.H, (len(taken)+per-1)/per*pitch+2*padY)
	l.Zones = append(l.Zones, board.Zone{ID: "taken", Label: "taken", Count: len(taken), X: x, W: w, H: l.H})
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
		if v, err := pieces.FormOf(list).Total(); err == nil {
			out[i] = v.String()
		}
	}
	return out
}

func allEqual(list []string) bool {
	return strings.Join(list, " ") == strings.TrimSpace(strings.Repeat(list[0]+" ", len(list)))
}
