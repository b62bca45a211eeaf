package pieces

import (
	"fmt"
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/place"
)

// Run is the JSON form of so many pieces alike that lie side by side.
type Run struct {
	Place place.Place `json:"place" jsonschema:"required"`
	Count int         `json:"count" jsonschema:"required,minimum=1,maximum=3000"`
	// The addend or colour, 0 for none.
	Part  int    `json:"part,omitempty" jsonschema:"minimum=0,maximum=12"`
	State string `json:"state,omitempty" jsonschema:"enum=play,enum=crossed,enum=taken,enum=spent,enum=copy"`
	// The group or train, from 1.
	Group int `json:"group,omitempty" jsonschema:"minimum=0,maximum=60"`
	// The other face of a two-sided counter.
	Mint   bool `json:"mint,omitempty"`
	New    bool `json:"new,omitempty"`
	Ringed bool `json:"ringed,omitempty"`
	// Which ring, when there are several; the first when not said.
	Ring int `json:"ring,omitempty" jsonschema:"minimum=0,maximum=12"`
	// A copy in the start row of a chart.
	Start bool `json:"start,omitempty"`
	// Free positions in model units, one for each piece of the run.
	At [][2]int `json:"at,omitempty"`
	// The trace of a piece that was opened.
	Opened bool `json:"opened,omitempty"`
	// A block that lies on its side.
	Turned bool `json:"turned,omitempty"`
	// The frame, from 1.
	Frame int `json:"frame,omitempty" jsonschema:"minimum=0,maximum=60"`
	// Cells of the frame from 0, one for each piece of the run.
	Cells []int `json:"cells,omitempty"`
}

// Runs are the runs of a list; ids are left out.
func Runs(list []Piece) []Run {
	runs := []Run{}
	for i, k := range list {
		if i == 0 || !alike(list[i-1], k) {
			r := Run{Place: k.Place, Part: int(k.Part), Group: int(k.Group), Mint: k.Mint, New: k.New, Ringed: k.Ring > 0,
				Start: k.Start, Turned: k.Turned, Opened: k.Opened, Frame: int(k.Frame)}
			if k.Ring > 1 {
				r.Ring = int(k.Ring)
			}
			if k.State != Play {
				r.State = stateNames[k.State]
			}
			runs = append(runs, r)
		}
		last := &runs[len(runs)-1]
		last.Count++
		if k.Loose {
			last.At = append(last.At, [2]int{int(k.X), int(k.Y)})
		}
		if k.Frame > 0 {
			last.Cells = append(last.Cells, int(k.Cell))
		}
	}
	return runs
}

func alike(x, y Piece) bool {
	x.ID, x.X, x.Y, x.Cell = y.ID, y.X, y.Y, y.Cell
	return x == y
}

// The furthest that a piece lies freely, in model units.
const (
	farX = 2880
	farY = 1680
)

// ClampX keeps a free position on the mat.
func ClampX(x int) int32 { return int32(max(0, min(x, farX))) }

// ClampY keeps a free position on the mat.
func ClampY(y int) int32 { return int32(max(0, min(y, farY))) }

// Read makes the pieces of runs, in order.
func (r Rules) Read(runs []Run, ids *board.IDs) ([]Piece, error) {
	var all []Piece
	for i, run := range runs {
		some, err := r.readRun(run, ids)
		if err != nil {
			return nil, fmt.Errorf("pieces[%d].%w", i, err)
		}
		if all = append(all, some...); len(all) > board.MaxPieces {
			return nil, fmt.Errorf("pieces: more than %d; a board holds no more", board.MaxPieces)
		}
	}
	return all, nil
}

// Groups and frames are numbered up to these in every model's file form.
const (
	maxGroup = 60
	maxFrame = 60
)

// Check says what of the pieces no file form holds.
func (r Rules) Check(list []Piece) error {
	for i := range list {
		k := &list[i]
		switch {
		case !r.Has(k.Place):
			return fmt.Errorf("there is no %s for %s", r.Noun, k.Place)
		case k.Part < 0 || int(k.Part) > r.Parts:
			return fmt.Errorf("part %d is not from 0 to %d", k.Part, r.Parts)
		case k.Group < 0 || k.Group > maxGroup:
			return fmt.Errorf("group %d is not from 0 to %d", k.Group, maxGroup)
		case k.Frame < 0 || k.Frame > maxFrame:
			return fmt.Errorf("frame %d is not from 0 to %d", k.Frame, maxFrame)
		case k.Ring < 0 || k.Ring > board.MaxRings:
			return fmt.Errorf("ring %d is not from 0 to %d", k.Ring, board.MaxRings)
		}
	}
	return nil
}

func (r Rules) readRun(run Run, ids *board.IDs) ([]Piece, error) {
	state := 0
	if run.State != "" {
		state = slices.Index(stateNames, run.State)
	}
	switch {
	case !r.Has(run.Place):
		return nil, fmt.Errorf("place: there is no %s for %s", r.Noun, run.Place)
	case run.Count < 1 || run.Count > board.MaxPieces:
		return nil, fmt.Errorf("count: %d is not from 1 to %d", run.Count, board.MaxPieces)
	case run.Part < 0 || run.Part > r.Parts:
		return nil, fmt.Errorf("part: %d is not from 0 to %d", run.Part, r.Parts)
	case run.Group < 0 || run.Group > maxGroup:
		return nil, fmt.Errorf("group: %d is not from 0 to %d", run.Group, maxGroup)
	case run.Frame < 0 || run.Frame > maxFrame:
		return nil, fmt.Errorf("frame: %d is not from 0 to %d", run.Frame, maxFrame)
	case run.Ring < 0 || run.Ring > board.MaxRings || run.Ring > 0 && !run.Ringed:
		return nil, fmt.Errorf("ring: %d is not from 1 to %d of pieces that are ringed", run.Ring, board.MaxRings)
	case state < 0:
		return nil, fmt.Errorf("state: %q is not play, crossed, taken, spent or copy", run.State)
	case len(run.At) != 0 && len(run.At) != run.Count:
		return nil, fmt.Errorf("at: %d positions for %d pieces", len(run.At), run.Count)
	case (run.Frame > 0) != (len(run.Cells) > 0) || len(run.Cells) > 0 && len(run.Cells) != run.Count:
		return nil, fmt.Errorf("cells: %d cells for %d pieces in a frame", len(run.Cells), run.Count)
	}
	some := Many(run.Place, run.Count, run.Part, ids.Take(run.Count))
	for i := range some {
		k := &some[i]
		k.State, k.New, k.Mint, k.Turned, k.Opened = State(state), run.New, run.Mint, run.Turned, run.Opened &&
			State(state) == Spent
		k.Group, k.Frame, k.Start = int8(run.Group), int8(run.Frame), run.Start && k.State == Copy
		if run.Ringed {
			k.Ring = int8(max(1, run.Ring))
		}
		if len(run.At) > 0 {
			k.Loose, k.X, k.Y = true, ClampX(run.At[i][0]), ClampY(run.At[i][1])
		}
		if len(run.Cells) > 0 {
			if run.Cells[i] < 0 || run.Cells[i] > 143 {
				return nil, fmt.Errorf("cells: %d is not from 0 to 143", run.Cells[i])
			}
			k.Cell = int16(run.Cells[i])
		}
	}
	return some, nil
}
