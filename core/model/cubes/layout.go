package cubes

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
)

// Model units: a cube is 34 by 34; trains lie below one another, and towers
// stand at their left.
const (
	cube     = 34
	rowH     = 62
	padX     = 16
	padY     = 16
	towerGap = 12
	trayGap  = 26
	minW     = 420
	minH     = 170
	beside   = 30 // between towers and trains, where their counts stand
	tall     = 8  // trains below one another, before another stack begins
)

func layout(m board.Model, room board.Room) board.Layout {
	c := m.(Cubes)
	l := board.Layout{Pieces: make([]board.Sprite, 0, len(c.List)),
		Counts: map[string]string{"trains": strconv.Itoa(len(c.trains()))}}
	c.putTowers(&l)
	// The towers are a column, the trains another.
	l.Room.Columns = map[place.Place]int{place.Tens: l.W}
	l.W = max(l.W, room.Columns[place.Tens])
	c.putTrains(&l)
	if !room.Tight {
		// There is room for more, around what is there.
		w, h := max(l.W, minW), max(l.H, minH)
		l.Move((w-l.W)/2, (h-l.H)/2)
		l.W, l.H = w, h
	}
	l.Room.Columns[place.Ones] = l.W
	l.W = max(l.W, room.Columns[place.Ones])
	c.putAside(&l, "copies", 0, func(k pieces.Piece) bool { return k.State == pieces.Copy || k.State == pieces.Spent })
	l.Room.Tray = c.putAside(&l, board.TakenZone, room.Tray, func(k pieces.Piece) bool { return k.State == pieces.Taken })
	return l
}

func sprite(k *pieces.Piece, x, y int, zone string) board.Sprite {
	s := board.Sprite{ID: k.ID, Drawing: "cube", X: int32(x), Y: int32(y), W: cube, H: cube, Zone: zone, Part: k.Part,
		Marks: k.Marks()}
	if k.Place == place.Tens {
		s.Drawing, s.H = "tower", 10*cube
	}
	return s
}

func (c Cubes) putTowers(l *board.Layout) {
	x, count := padX, 0
	for i := range c.List {
		k := &c.List[i]
		if rank(*k) != 0 {
			continue
		}
		if count > 0 && count%5 == 0 {
			x += towerGap
		}
		l.Pieces = append(l.Pieces, sprite(k, x, padY, "towers"))
		x += cube + towerGap
		count++
	}
	if count == 0 {
		return
	}
	l.W, l.H = x+padX, 10*cube+2*padY
	l.Zones = append(l.Zones, board.Zone{ID: "towers", Label: "towers",
		Count: pieces.Count(c.List, pieces.Play, pieces.AnyPart).Of(place.Tens), W: l.W, H: l.H})
}

func (c Cubes) putTrains(l *board.Layout) {
	trains := c.trains()
	left, wide := l.W, 0
	if left > 0 {
		left += beside
	}
	for i, t := range trains {
		if i > 0 && i%tall == 0 {
			left, wide = left+wide, 0
		}
		name := "train " + strconv.Itoa(i+1)
		y := i % tall * rowH
		count := 0
		for n := range t {
			l.Pieces = append(l.Pieces, sprite(&t[n], left+padX+n*cube, y+(rowH-cube)/2, name))
			if t[n].State == pieces.Play {
				count++
			}
		}
		w := len(t)*cube + 2*padX
		for five := 5; five < len(t); five += 5 {
			l.Decor = append(l.Decor, board.Decor{Kind: "five", X: left + padX + five*cube, Y: y + (rowH+cube)/2 + 3, H: 7,
				Zone: name})
		}
		l.Zones = append(l.Zones, board.Zone{ID: name, Label: name, Count: count, X: left, Y: y, W: w, H: rowH})
		wide = max(wide, w)
		l.W, l.H = max(l.W, left+w), max(l.H, y+rowH)
	}
}

// putAside lays what is out of play at the right, and says how much that is; where so much will be
// there, its place is there before.
func (c Cubes) putAside(l *board.Layout, zone string, later int, wants func(pieces.Piece) bool) int {
	x, y, n, tallest := l.W+trayGap+padX, padY, 0, 0
	for i := range c.List {
		k := &c.List[i]
		if !wants(*k) || rank(*k) == 0 || linked(*k) {
			continue
		}
		s := sprite(k, x, y, zone)
		l.Pieces = append(l.Pieces, s)
		tallest = max(tallest, int(s.H))
		if n++; n%5 == 0 {
			x, y, tallest = l.W+trayGap+padX, y+tallest+8, 0
		} else {
			x += cube + 8
		}
	}
	if max(n, later) == 0 {
		return 0
	}
	w := 5*(cube+8) + 2*padX
	l.H = max(l.H, y+tallest+padY)
	l.Zones = append(l.Zones, board.Zone{ID: zone, Label: zone, Count: n, X: l.W + trayGap, W: w, H: l.H})
	l.W += trayGap + w
	return n
}
