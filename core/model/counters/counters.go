// Package counters is the counters model: loose counters, frames and groups on
// one mat. Counters have two faces, berry and mint; in a frame they fill the
// cells in order, and what does not fit stays beside it. They may count a named
// unit, so that 8 bulbs become 8 thousands.
package counters

import (
	"encoding/json"
	"fmt"
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/form"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Limits of one mat.
const (
	MaxSide   = 12 // rows or columns of a frame
	MaxFrames = 60
	MaxGroups = 12
	MaxWays   = 20 // counters whose ways are all shown
)

var kit = pieces.Kit{
	Rules:  pieces.Rules{Noun: "counter", Least: place.Ones, Most: place.Ones, Parts: 2},
	Sample: "counters 2x5: 6 + 3",
}

// Shapes are what a counter can look like; the first is a plain disc.
var Shapes = []string{"counter", "bulb", "seed", "leaf", "snail", "bee", "pot"}

// Colourings are the pairs of colours for the two faces.
var Colourings = []string{"berry and mint", "pine and sand"}

// CounterFrame is rows by columns of cells, shaded after so many rows or columns.
type CounterFrame struct {
	Rows    int `json:"rows" jsonschema:"required,minimum=1,maximum=12"`
	Columns int `json:"columns" jsonschema:"required,minimum=1,maximum=12"`
	// Every second run of so many cells is shaded; 0 for none.
	Every int `json:"every,omitempty" jsonschema:"minimum=0,maximum=72"`
	// Cells before the shading begins; 0 for none.
	Cells int `json:"shadeAfter,omitempty" jsonschema:"minimum=0,maximum=143"`
	// Rows (or columns, when across) before the shading begins; 0 for no shading.
	Split int `json:"split,omitempty" jsonschema:"minimum=0,maximum=11"`
	// The split parts columns rather than rows.
	Across bool `json:"across,omitempty"`
}

func (f CounterFrame) cells() int { return f.Rows * f.Columns }

// Counters is the model. The zero value is an empty mat.
type Counters struct {
	Frames    []CounterFrame
	Groups    int
	Pairs     bool // frames fill in pairs, column by column, rather than by row
	Numerals  bool // the cells are numbered
	Skip      bool // skip-counting along the edge of the frames
	ByFives   bool // loose counters line up in fives rather than tens
	Shape     string
	Other     string // the shape of the second part, where it is another
	Story     string // a teacher's own sentence with numbers in braces
	Colouring int
	Unit      string // what the counters count; counters themselves when empty
	List      []pieces.Piece
}

// Kind is "counters".
func (Counters) Kind() string { return "counters" }

// Pieces is how many counters there are, in play or not.
func (c Counters) Pieces() int { return len(c.List) }

// Held is the counters.
func (c Counters) Held() []pieces.Piece { return c.List }

// With is c holding other pieces.
func (c Counters) With(list []pieces.Piece) pieces.Holder { return c.with(list) }

// with is c holding other counters.
func (c Counters) with(list []pieces.Piece) Counters { c.List = list; return c }

// unitPlace is the place that the unit's name means, ones when it is none.
func unitPlace(unit string) place.Place {
	if unit == "" {
		return place.Ones
	}
	p, err := place.ParsePlace(unit)
	if err != nil {
		return place.Ones
	}
	return p
}

func (c Counters) place() place.Place { return unitPlace(c.Unit) }

// count is how many counters are in play.
func (c Counters) count() int {
	n := 0
	for i := range c.List {
		if c.List[i].State == pieces.Play {
			n++
		}
	}
	return n
}

// InPlay is the counters in play, each one of its unit.
func (c Counters) InPlay() place.UnitForm {
	n, at := c.count(), c.place()
	return place.FromCounts(func(p place.Place) int {
		if p == at {
			return n
		}
		return 0
	})
}

// faces counts the counters in play by face.
func (c Counters) faces() (berry, mint int) {
	for _, k := range c.List {
		switch {
		case k.State != pieces.Play:
		case k.Mint:
			mint++
		default:
			berry++
		}
	}
	return berry, mint
}

// lies reports whether a counter lies on the mat rather than in the tray.
func lies(k pieces.Piece) bool { return k.State != pieces.Taken }

// order is the order in which the cells of a frame fill.
func (c Counters) order(f CounterFrame) []int {
	cells := make([]int, 0, f.cells())
	if !c.Pairs {
		for i := range f.cells() {
			cells = append(cells, i)
		}
		return cells
	}
	for column := range f.Columns {
		for row := range f.Rows {
			cells = append(cells, row*f.Columns+column)
		}
	}
	return cells
}

// fill puts counters that lie beside into free cells, in order.
func (c Counters) fill(wants func(pieces.Piece) bool) Counters {
	type spot struct{ frame, cell int }
	taken := map[spot]bool{}
	for _, k := range c.List {
		if k.Frame > 0 && lies(k) {
			taken[spot{int(k.Frame), int(k.Cell)}] = true
		}
	}
	var free []spot
	for i, f := range c.Frames {
		for _, cell := range c.order(f) {
			if !taken[spot{i + 1, cell}] {
				free = append(free, spot{i + 1, cell})
			}
		}
	}
	c.List = pieces.Each(c.List, func(k *pieces.Piece) {
		if len(free) > 0 && k.Frame == 0 && k.Group == 0 && lies(*k) && wants(*k) {
			k.Frame, k.Cell, k.Loose, k.X, k.Y = int8(free[0].frame), int16(free[0].cell), false, 0, 0
			free = free[1:]
		}
	})
	return c
}

func anyPiece(pieces.Piece) bool { return true }

// refill takes all counters out of the cells and fills them anew.
func (c Counters) refill() Counters {
	c.List = pieces.Each(c.List, func(k *pieces.Piece) { k.Frame, k.Cell = 0, 0 })
	return c.fill(anyPiece)
}

// JSON is the form in files: alike counters that lie side by side are one run.
type JSON struct {
	Kind   string         `json:"kind" jsonschema:"required,enum=counters"`
	Frames []CounterFrame `json:"frames,omitempty" jsonschema:"maxItems=60"`
	Groups int            `json:"groups,omitempty" jsonschema:"minimum=0,maximum=12"`
	// How frames fill; by rows when left out.
	Fill string `json:"fill,omitempty" jsonschema:"enum=rows,enum=pairs"`
	// The cells are numbered.
	Numerals bool `json:"numerals,omitempty"`
	// Skip-counting along the edge of the frames.
	Skip bool `json:"skip,omitempty"`
	// Loose counters line up in fives.
	Fives bool `json:"fives,omitempty"`
	// What the counters look like.
	Look string `json:"look,omitempty" jsonschema:"enum=counter,enum=bulb,enum=seed,enum=leaf,enum=snail,enum=bee,enum=pot"`
	// What the second part looks like, where it is another shape.
	Other string `json:"other,omitempty" jsonschema:"enum=counter,enum=bulb,enum=seed,enum=leaf,enum=snail,enum=bee,enum=pot"`
	// A teacher's own sentence with numbers in braces.
	Story     string `json:"story,omitempty" jsonschema:"maxLength=200"`
	Colouring int    `json:"colouring,omitempty" jsonschema:"minimum=0,maximum=1"`
	// What the counters count.
	Unit string       `json:"unit,omitempty" jsonschema:"maxLength=40"`
	Runs []pieces.Run `json:"pieces" jsonschema:"required"`
}

// MarshalJSON writes runs; ids are left out.
func (c Counters) MarshalJSON() ([]byte, error) {
	out := JSON{
		Kind: "counters", Frames: c.Frames, Groups: c.Groups, Numerals: c.Numerals, Skip: c.Skip, Fives: c.ByFives,
		Look: c.Shape, Other: c.Other, Story: c.Story, Colouring: c.Colouring, Unit: c.Unit, Runs: pieces.Runs(c.List),
	}
	if c.Pairs {
		out.Fill = "pairs"
	}
	return form.JSON(out)
}

func decode(raw json.RawMessage, ids *board.IDs) (board.Model, error) {
	var in JSON
	if err := board.ReadForm(raw, &in); err != nil {
		return nil, err
	}
	c := Counters{
		Frames: in.Frames, Groups: in.Groups, Pairs: in.Fill == "pairs", Numerals: in.Numerals, Skip: in.Skip,
		ByFives: in.Fives,
		Shape:   in.Look, Other: in.Other, Story: in.Story, Colouring: in.Colouring, Unit: in.Unit,
	}
	list, err := kit.Read(in.Runs, ids)
	if err != nil {
		return nil, err
	}
	c.List = list
	return c, c.check()
}

// check holds what a file may have wrong: frames too large, counters in cells
// and groups that are not there, two in one cell.
func (c Counters) check() error {
	if err := kit.Check(c.List); err != nil {
		return err
	}
	if len(c.Frames) > MaxFrames {
		return fmt.Errorf("frames: %d are too many; a mat holds %d", len(c.Frames), MaxFrames)
	}
	for i, f := range c.Frames {
		side := f.Rows
		if f.Across {
			side = f.Columns
		}
		if f.Rows < 1 || f.Rows > MaxSide || f.Columns < 1 || f.Columns > MaxSide || f.Split < 0 || f.Split >= max(side, 1) &&
			f.Split > 0 || f.Every < 0 || f.Every > f.cells()/2 || f.Cells < 0 || f.Cells >= max(f.cells(), 1) && f.Cells > 0 {
			return fmt.Errorf("frames[%d]: a frame has 1 to %d rows and columns, and is split inside", i, MaxSide)
		}
	}
	if c.Groups < 0 || c.Groups > MaxGroups {
		return fmt.Errorf("groups: %d is not from 0 to %d", c.Groups, MaxGroups)
	}
	if c.Shape != "" && !slices.Contains(Shapes, c.Shape) {
		return fmt.Errorf("look: %q is not one of our shapes", c.Shape)
	}
	if c.Other != "" && !slices.Contains(Shapes, c.Other) {
		return fmt.Errorf("other: %q is not one of our shapes", c.Other)
	}
	if len([]rune(c.Story)) > say.MostOfStory {
		return fmt.Errorf("story: it has at most 200 letters")
	}
	if c.Colouring < 0 || c.Colouring >= len(Colourings) || len([]rune(c.Unit)) > 40 {
		return fmt.Errorf("colouring: it is 0 or 1, and a unit's name has at most 40 letters")
	}
	seen := map[[2]int]bool{}
	for i, k := range c.List {
		at := [2]int{int(k.Frame), int(k.Cell)}
		switch {
		case int(k.Group) > c.Groups:
			return fmt.Errorf("pieces: counter %d is in group %d of %d", i+1, k.Group, c.Groups)
		case int(k.Frame) > len(c.Frames) || k.Frame > 0 && int(k.Cell) >= c.Frames[k.Frame-1].cells():
			return fmt.Errorf("pieces: counter %d is in a cell that is not there", i+1)
		case k.Frame > 0 && (seen[at] || k.Group > 0 || k.Loose):
			return fmt.Errorf("pieces: counter %d lies in two places, or two lie in its cell", i+1)
		}
		if k.Frame > 0 {
			seen[at] = true
		}
	}
	return nil
}
