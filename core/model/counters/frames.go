package counters

import (
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/model/pieces"
	"unitbloom/core/say"
)

// FramesArgs are so many frames alike.
type FramesArgs struct {
	// Rows of a frame.
	Rows int `json:"rows" jsonschema:"required,minimum=1,maximum=12"`
	// Columns of a frame.
	Columns int `json:"columns" jsonschema:"required,minimum=1,maximum=12"`
	// How many frames; 0 for none.
	Count int `json:"count" jsonschema:"minimum=0,maximum=60"`
}

// FrameArgs name a frame.
type FrameArgs struct {
	// The frame, from 1.
	Frame int `json:"frame" jsonschema:"required,minimum=1,maximum=60"`
}

// GrowArgs grow or shrink a frame.
type GrowArgs struct {
	// The frame, from 1.
	Frame int `json:"frame" jsonschema:"required,minimum=1,maximum=60"`
	// By a column rather than a row.
	Across bool `json:"across,omitempty"`
	// Shrink rather than grow.
	Less bool `json:"less,omitempty"`
}

// SplitArgs shade the frames after so many rows or columns.
type SplitArgs struct {
	// Rows before the shading begins; 0 for none.
	After int `json:"after" jsonschema:"minimum=0,maximum=11"`
	// Columns rather than rows.
	Across bool `json:"across,omitempty"`
	// After so many cells, in the order in which they fill, rather than rows.
	Cells int `json:"cells,omitempty" jsonschema:"minimum=0,maximum=143"`
	// Every second run of so many cells, like five, rather than rows.
	Every int `json:"every,omitempty" jsonschema:"minimum=0,maximum=72"`
}

// FillArgs choose how frames fill.
type FillArgs struct {
	// rows or pairs.
	By string `json:"by" jsonschema:"required,enum=rows,enum=pairs"`
}

// ShownArgs show or hide.
type ShownArgs struct {
	// Whether it is shown.
	Shown bool `json:"shown"`
}

// WaysArgs say which ways are shown.
type WaysArgs struct {
	// Only ways with at least one of each colour.
	Both bool `json:"both,omitempty"`
}

func checkSides(rows, columns int) error {
	for _, n := range []int{rows, columns} {
		if n < 1 || n > MaxSide {
			return board.BadCount(n, 1, MaxSide)
		}
	}
	return nil
}

// frames sets the frames of the mat; the counters fill them anew.
func (c Counters) frames(a FramesArgs, t *board.Tx) (Counters, error) {
	if a.Count < 0 || a.Count > MaxFrames {
		return c, board.BadCount(a.Count, 0, MaxFrames)
	}
	if err := checkSides(a.Rows, a.Columns); err != nil {
		return c, err
	}
	c.Frames = nil
	for range a.Count {
		c.Frames = append(c.Frames, CounterFrame{Rows: a.Rows, Columns: a.Columns})
	}
	t.Say("did.frames", say.Int("n", say.Given, a.Count), say.Int("rows", say.Given, a.Rows),
		say.Int("columns", say.Given, a.Columns))
	return c.refill(), nil
}

func (c Counters) frame(n int) (CounterFrame, error) {
	if n < 1 || n > len(c.Frames) {
		return CounterFrame{}, say.Refuse("no-frame", say.Int("n", say.Given, n), say.Int("frames", say.Given, len(c.Frames)))
	}
	return c.Frames[n-1], nil
}

func (c Counters) inFrame(n int) []pieces.Piece {
	var in []pieces.Piece
	for _, k := range c.List {
		if int(k.Frame) == n && lies(k) {
			in = append(in, k)
		}
	}
	return in
}

// isFull reports whether every cell of frame n holds a counter in play.
func (c Counters) isFull(n int) bool {
	in := c.inFrame(n)
	return len(in) == c.Frames[n-1].cells() && !slices.ContainsFunc(in,
		func(k pieces.Piece) bool { return k.State != pieces.Play })
}

func (c Counters) withFrame(n int, f CounterFrame) Counters {
	c.Frames = slices.Clone(c.Frames)
	c.Frames[n-1] = f
	return c
}

// copyFrame puts a frame with the same counters beside the others.
func (c Counters) copyFrame(a FrameArgs, t *board.Tx) (Counters, error) {
	f, err := c.frame(a.Frame)
	if err != nil {
		return c, err
	}
	if len(c.Frames) == MaxFrames {
		return c, board.BadCount(MaxFrames+1, 0, MaxFrames)
	}
	in := c.inFrame(a.Frame)
	if err := t.CheckRoom(len(in)); err != nil {
		return c, err
	}
	if err := c.inRange(c.count() + len(in)); err != nil {
		return c, err
	}
	c.Frames = append(slices.Clone(c.Frames), f)
	first := t.TakeIDs(len(in))
	c.List = slices.Clone(c.List)
	for i, k := range in {
		k.ID, k.Frame = first+board.PieceID(i), int8(len(c.Frames))
		c.List = append(c.List, k)
	}
	t.Say("did.frame-copied", say.Int("n", say.Given, a.Frame))
	return c, nil
}

func copyLaw(c Counters, a FrameArgs) (board.Law, error) {
	n := 0
	for _, k := range c.inFrame(a.Frame) {
		if k.State == pieces.Play {
			n++
		}
	}
	return c.law(board.Adds, n)
}

// grow adds a row or a column to a frame, or takes the last away. A full frame
// stays full: the new cells are filled, and the counters of the old ones go
// with them. In any other frame the counters stay on the mat.
func (c Counters) grow(a GrowArgs, t *board.Tx) (Counters, error) {
	f, err := c.frame(a.Frame)
	if err != nil {
		return c, err
	}
	g := grown(f, a)
	if err := checkSides(g.Rows, g.Columns); err != nil {
		return c, err
	}
	full := c.isFull(a.Frame)
	if more := g.cells() - f.cells(); full && more > 0 {
		if err := t.CheckRoom(more); err != nil {
			return c, err
		}
		if err := c.inRange(c.count() + more); err != nil {
			return c, err
		}
	}
	t.Say("did.grown", say.Int("rows", say.Amount, g.Rows), say.Int("columns", say.Amount, g.Columns))
	c = c.withFrame(a.Frame, g)
	var gone []board.PieceID
	c.List = pieces.Each(c.List, func(k *pieces.Piece) {
		if int(k.Frame) != a.Frame {
			return
		}
		row, column := int(k.Cell)/f.Columns, int(k.Cell)%f.Columns
		if row < g.Rows && column < g.Columns {
			k.Cell = int16(row*g.Columns + column)
			return
		}
		k.Frame, k.Cell = 0, 0
		gone = append(gone, k.ID)
	})
	if !full {
		return c, nil
	}
	if a.Less {
		return c.with(pieces.Without(c.List, gone)), nil
	}
	more := g.cells() - f.cells()
	added := many(more, c.lastMint(a.Frame), t.TakeIDs(more))
	c.List = append(slices.Clone(c.List), added...)
	return c.fillFrame(a.Frame, 0, pieces.IDs(added)), nil
}

func grown(f CounterFrame, a GrowArgs) CounterFrame {
	by := 1
	if a.Less {
		by = -1
	}
	if a.Across {
		f.Columns += by
	} else {
		f.Rows += by
	}
	if side := f.Rows; !f.Across && f.Split >= side || f.Across && f.Split >= f.Columns {
		f.Split = 0
	}
	if f.Cells >= f.cells() {
		f.Cells = 0
	}
	f.Every = min(f.Every, f.cells()/2)
	return f
}

func (c Counters) lastMint(frame int) bool {
	in := c.inFrame(frame)
	return len(in) > 0 && in[len(in)-1].Mint
}

// freeCells are the cells of a frame that are empty, in the order in which they
// fill.
func (c Counters) freeCells(n int) []int {
	used := map[int]bool{}
	for _, k := range c.inFrame(n) {
		used[int(k.Cell)] = true
	}
	return slices.DeleteFunc(c.order(c.Frames[n-1]), func(cell int) bool { return used[cell] })
}

// fillFrame puts counters into the free cells of one frame, a wanted cell first
// (from 1; 0 for none) and then in order from it.
func (c Counters) fillFrame(n, first int, ids []board.PieceID) Counters {
	free := c.freeCells(n)
	if at := slices.Index(free, first-1); at > 0 {
		free = append(free[at:len(free):len(free)], free[:at]...)
	}
	return c.with(pieces.Change(c.List, ids, func(k *pieces.Piece) {
		k.Group, k.Loose, k.X, k.Y = 0, false, 0, 0
		k.Frame, k.Cell = int8(n), int16(free[0])
		free = free[1:]
	}))
}

// roomIn refuses unless a frame has so many free cells.
func (c Counters) roomIn(n, count int) error {
	if _, err := c.frame(n); err != nil {
		return err
	}
	if free := len(c.freeCells(n)); free < count {
		return say.Refuse("frame-room", say.Int("n", say.Given, n), say.Int("free", say.Amount, free),
			say.Int("count", say.Amount, count))
	}
	return nil
}

// seat puts counters into the cells of a frame.
func (c Counters) seat(a PutArgs, t *board.Tx) (Counters, error) {
	found, err := kit.FindPlaying(c.List, a.Pieces)
	if err != nil {
		return c, err
	}
	ids := pieces.IDs(found)
	c.List = pieces.Change(c.List, ids, func(k *pieces.Piece) { k.Frame, k.Cell = 0, 0 })
	if err := c.roomIn(a.Frame, len(found)); err != nil {
		return c, err
	}
	t.Say("did.seated", say.Text("form", say.Amount, c.counted(len(found))), say.Int("n", say.Given, a.Frame))
	return c.fillFrame(a.Frame, a.Cell, ids), nil
}

func growLaw(c Counters, a GrowArgs) (board.Law, error) {
	f, err := c.frame(a.Frame)
	if err != nil || !c.isFull(a.Frame) {
		return board.Law{Kind: board.Keeps}, err
	}
	more := grown(f, a).cells() - f.cells()
	if more < 0 {
		return c.law(board.Takes, -more)
	}
	return c.law(board.Adds, more)
}

// turn lays a frame on its side: its rows become its columns.
func (c Counters) turn(a FrameArgs, t *board.Tx) (Counters, error) {
	f, err := c.frame(a.Frame)
	if err != nil {
		return c, err
	}
	g := CounterFrame{Rows: f.Columns, Columns: f.Rows, Split: f.Split, Across: !f.Across && f.Split > 0, Cells: f.Cells,
		Every: f.Every}
	c = c.withFrame(a.Frame, g)
	c.List = pieces.Each(c.List, func(k *pieces.Piece) {
		if int(k.Frame) == a.Frame {
			row, column := int(k.Cell)/f.Columns, int(k.Cell)%f.Columns
			k.Cell = int16(column*g.Columns + row)
		}
	})
	t.Say("did.turned", say.Int("rows", say.Amount, g.Rows), say.Int("columns", say.Amount, g.Columns))
	return c, nil
}

// split shades the frames after so many rows or columns.
func (c Counters) split(a SplitArgs, t *board.Tx) (Counters, error) {
	if len(c.Frames) == 0 {
		return c, say.Refuse("no-frames")
	}
	c.Frames = slices.Clone(c.Frames)
	for i := range c.Frames {
		f := &c.Frames[i]
		if a.Cells < 0 || a.Cells >= f.cells() && a.Cells > 0 {
			return c, board.BadCount(a.Cells, 0, f.cells()-1)
		}
		if a.Every < 0 || a.Every > f.cells()/2 {
			return c, board.BadCount(a.Every, 0, f.cells()/2)
		}
		if f.Cells, f.Every = a.Cells, a.Every; a.Cells+a.Every > 0 {
			f.Split, f.Across = 0, false
			continue
		}
		side := f.Rows
		if a.Across {
			side = f.Columns
		}
		if a.After < 0 || a.After >= side && a.After > 0 {
			return c, board.BadCount(a.After, 0, side-1)
		}
		f.Split, f.Across = a.After, a.Across && a.After > 0
	}
	t.Say("did.split")
	return c, nil
}

func (c Counters) fillBy(a FillArgs, t *board.Tx) (Counters, error) {
	if a.By != "rows" && a.By != "pairs" {
		return c, board.BadOption("by", a.By, "rows or pairs")
	}
	c.Pairs = a.By == "pairs"
	c.List = pieces.Each(c.List, func(k *pieces.Piece) { k.Loose, k.X, k.Y = false, 0, 0 })
	t.Say("did.filled", say.Text("by", say.Name, a.By))
	return c.refill(), nil
}

func (c Counters) numerals(a ShownArgs, t *board.Tx) (Counters, error) {
	c.Numerals = a.Shown
	t.Say("did.view", say.Text("view", say.Name, shown("with numerals in the cells", a.Shown)))
	return c, nil
}

func (c Counters) skip(a ShownArgs, t *board.Tx) (Counters, error) {
	c.Skip = a.Shown
	t.Say("did.view", say.Text("view", say.Name, shown("with skip-counting along the edge", a.Shown)))
	return c, nil
}

func shown(what string, is bool) string {
	if is {
		return what
	}
	return "without that"
}

// array sets one full frame: so many rows of so many.
func (c Counters) array(a FramesArgs, t *board.Tx) (Counters, error) {
	if err := checkSides(a.Rows, a.Columns); err != nil {
		return c, err
	}
	n := a.Rows * a.Columns
	if err := t.CheckRoom(n - len(c.List)); err != nil {
		return c, err
	}
	if err := c.inRange(n); err != nil {
		return c, err
	}
	c.Frames, c.Groups = []CounterFrame{{Rows: a.Rows, Columns: a.Columns}}, 0
	c.List = many(n, false, t.TakeIDs(n))
	t.Say("did.array", say.Int("rows", say.Given, a.Rows), say.Int("columns", say.Given, a.Columns))
	return c.refill(), nil
}

func arrayLaw(c Counters, a FramesArgs) (board.Law, error) {
	return c.law(board.Sets, max(0, a.Rows)*max(0, a.Columns))
}

// waysOf are the first parts of n counters in order, from all to none.
func waysOf(n int, both bool) []int {
	var firsts []int
	for first := n; first >= 0; first-- {
		if !both || first > 0 && first < n {
			firsts = append(firsts, first)
		}
	}
	return firsts
}

// ways shows every way to make the number of two parts as a stack of frames, in
// order, none twice and none missed.
func (c Counters) ways(a WaysArgs, t *board.Tx) (Counters, error) {
	n := c.count()
	if n < 1 || n > MaxWays || a.Both && n < 2 {
		return c, say.Refuse("ways", say.Int("n", say.Given, n), say.Int("most", say.Given, MaxWays))
	}
	firsts := waysOf(n, a.Both)
	if err := t.CheckRoom(n*len(firsts) - len(c.List)); err != nil {
		return c, err
	}
	if err := c.inRange(n * len(firsts)); err != nil {
		return c, err
	}
	c.Frames, c.Groups, c.List, c.Pairs = nil, 0, nil, false
	frame := CounterFrame{Rows: 1, Columns: n}
	if n > MaxSide {
		frame = CounterFrame{Rows: 2, Columns: (n + 1) / 2}
	}
	for i, first := range firsts {
		c.Frames = append(c.Frames, frame)
		some := many(n, false, t.TakeIDs(n))
		for k := range some {
			some[k].Mint, some[k].Frame, some[k].Cell = k >= first, int8(i+1), int16(k)
		}
		c.List = append(c.List, some...)
	}
	t.Say("did.ways", say.Int("ways", say.Amount, len(firsts)), say.Int("n", say.Given, n))
	return c, nil
}

// allWays is the number as a stack of all its ways, to stand beside it.
func allWays(m board.Model, t *board.Tx) (board.Model, error) {
	return m.(Counters).ways(WaysArgs{}, t)
}

func waysLaw(c Counters, a WaysArgs) (board.Law, error) {
	return c.law(board.Sets, c.count()*len(waysOf(c.count(), a.Both)))
}
