package board

import (
	"slices"

	"unitbloom/core/place"
)

// Room is the room that a model's layout keeps free, in model units. Boards that are laid
// in one room lie alike: a column, a row, a track stands where it stood, however many
// pieces come and go. The zero Room leaves a layout as loose as on a board for building.
type Room struct {
	// Tight rooms hold no more than the pieces need.
	Tight bool
	Way
	// Aside says that there are tracks, groups, or a tray of what was taken, which may stand below.
	Aside bool
	// Addends says that there are several, which may lie across.
	Addends bool
	// Wraps says that there are more than ten where rows of ten lie under one another, or groups
	// that may stand in fewer rows.
	Wraps bool
	W, H  int
	// Chart is the height of what stands above them.
	Chart int
	// Columns are the widths of the columns that hold something, by their place. Others are
	// not shown, but for those between.
	Columns map[place.Place]int
	// Taken are the widths of what was taken, by its place, where the tray keeps places apart;
	// Tray is how many pieces it holds at most: it stands there before anything is taken.
	Taken map[place.Place]int
	Tray  int
	// Reach is how far the pieces in each column reach from its corner, by the column's zone:
	// what a larger picture of the column has to hold.
	Reach map[string]Size
	// Stacks are how many stacks of single pieces a column holds at most.
	Stacks int
	// Rows are the heights of the rows from the top, Track that of each track or tray, and Lane
	// the width of each track.
	Rows        []int
	Track, Lane int
	// Groups are how many there are at most, Each how many pieces one of them holds, Pile how
	// many lie beside them.
	Groups, Each, Pile int
	// Least is the smallest side of any piece, and Kept the room of the copies that are
	// kept beside the model.
	Least int
	Kept  Size
}

// Size is a width and a height in model units.
type Size struct {
	W int `json:"w"`
	H int `json:"h"`
}

// Way is one of the ways in which a model can be laid in a tight room.
type Way struct {
	// Below has the tracks or groups, and the tray of what was taken, stand below the chart or
	// the pile, not beside it.
	Below bool `json:"below"`
	// Across has addends lie beside one another in a column, not in rows.
	Across bool `json:"across"`
	// Abreast has stand beside one another what else stands under one another: the places in a
	// tray at the side, what is beyond ten in a row of ten, and more of the groups.
	Abreast bool `json:"abreast"`
}

// Bare is a room of the same kind that says no sizes.
func (r Room) Bare() Room { return Room{Tight: r.Tight, Way: r.Way} }

// Join is room enough for both.
func (r Room) Join(o Room) Room {
	r.Tight, r.Aside, r.Addends = r.Tight || o.Tight, r.Aside || o.Aside, r.Addends || o.Addends
	r.Wraps = r.Wraps || o.Wraps
	r.Below, r.Across, r.Abreast = r.Below || o.Below, r.Across || o.Across, r.Abreast || o.Abreast
	r.Chart = max(r.Chart, o.Chart)
	r.Stacks, r.Groups, r.Each = max(r.Stacks, o.Stacks), max(r.Groups, o.Groups), max(r.Each, o.Each)
	r.Pile, r.Tray = max(r.Pile, o.Pile), max(r.Tray, o.Tray)
	r.W, r.H, r.Track, r.Lane = max(r.W, o.W), max(r.H, o.H), max(r.Track, o.Track), max(r.Lane, o.Lane)
	r.Kept = Size{max(r.Kept.W, o.Kept.W), max(r.Kept.H, o.Kept.H)}
	if r.Least == 0 || o.Least > 0 && o.Least < r.Least {
		r.Least = o.Least
	}
	r.Columns, r.Taken = widest(r.Columns, o.Columns), widest(r.Taken, o.Taken)
	reach := map[string]Size{}
	for _, from := range []map[string]Size{r.Reach, o.Reach} {
		for zone, size := range from {
			reach[zone] = Size{max(reach[zone].W, size.W), max(reach[zone].H, size.H)}
		}
	}
	r.Reach = reach
	rows := slices.Clone(r.Rows)
	for i, h := range o.Rows {
		if i < len(rows) {
			rows[i] = max(rows[i], h)
		} else {
			rows = append(rows, h)
		}
	}
	r.Rows = rows
	return r
}

// Even makes columns as wide as the widest, where they are nearly so: charts under one another
// are held by their height, and the names over wider columns have their counts beside them.
func (r *Room) Even() {
	most := 0
	for _, w := range r.Columns {
		most = max(most, w)
	}
	for p, w := range r.Columns {
		if 2*most <= 3*w {
			r.Columns[p] = most
		}
	}
}

// widest are the widths of places that are enough for both.
func widest(a, b map[place.Place]int) map[place.Place]int {
	out := map[place.Place]int{}
	for _, from := range []map[place.Place]int{a, b} {
		for p, w := range from {
			out[p] = max(out[p], w)
		}
	}
	return out
}

// Ways are all ways in which a model may be laid in a tight room.
var Ways = []Way{
	{}, {Abreast: true}, {Below: true}, {Below: true, Abreast: true},
	{Across: true}, {Across: true, Abreast: true}, {Across: true, Below: true},
	{Across: true, Below: true, Abreast: true},
}

// LooseWays are those in which a free board may be laid too.
var LooseWays = []Way{{}, {Across: true}}

// Differs reports whether a way makes a difference to what is laid in the room.
func (w Way) Differs(r Room) bool {
	return (!w.Below || r.Aside) && (!w.Across || r.Addends) && (!w.Abreast || r.Wraps || !w.Below && len(r.Taken) > 1)
}

// Shows is the span of places that the room has columns for; ok is false when it says
// nothing of columns.
func (r Room) Shows() (top, bottom place.Place, ok bool) {
	for p := range r.Columns {
		if !ok {
			top, bottom, ok = p, p, true
		}
		top, bottom = max(top, p), min(bottom, p)
	}
	return top, bottom, ok
}

// Row is the height that row i keeps, at least h.
func (r Room) Row(i, h int) int {
	if i < len(r.Rows) {
		return max(h, r.Rows[i])
	}
	return h
}
