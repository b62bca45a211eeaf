// Package blocks is the base-ten blocks model: ones, tens, hundreds and
// thousands in columns or on an open mat. Ten of a size are bundled into one of
// the next; a block is unbundled into ten of the one before.
package blocks

import (
	"encoding/json"
	"fmt"
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/place"
)

// Smallest and largest block, and the most addends that are told apart.
const (
	Smallest = place.Ones
	Largest  = place.Thousands
	MaxPart  = 4
)

// State says where a block is.
type State uint8

// A block is in play unless it is crossed out, taken, or spent: bundled into
// another and left as a trace, so that nobody counts it twice.
const (
	Play State = iota
	Crossed
	Taken
	Spent
)

var stateNames = []string{"play", "crossed", "taken", "spent"}

// Block is one piece.
type Block struct {
	ID     board.PieceID
	Place  place.Place
	State  State
	Part   int8 // the addend it belongs to, 0 for none
	New    bool // made and not yet counted
	Ringed bool
	Loose  bool // on the open mat at X, Y rather than in its slot
	X, Y   int32
}

// Blocks is the model. The zero value is an empty set of columns.
type Blocks struct {
	Mat     bool          // an open mat rather than columns
	Sketch  bool          // dots, sticks and squares rather than solid blocks
	UpTo    place.Place   // the largest column shown though empty
	Joined  []place.Place // places whose addends lie together
	Ordered []Block       // largest place first; the order within a place is the slots
}

// Kind is "blocks".
func (Blocks) Kind() string { return "blocks" }

// Pieces is how many blocks there are, in play or not.
func (b Blocks) Pieces() int { return len(b.Ordered) }

// InPlay is the blocks in play as they lie.
func (b Blocks) InPlay() place.UnitForm {
	n := b.tally(Play, anyPart)
	return place.FromCounts(func(p place.Place) int {
		if p < Smallest || p > Largest {
			return 0
		}
		return n[p]
	})
}

// anyPart is every addend, and none.
const anyPart = -1

// tally counts the blocks of a state and an addend by place, in one pass: a
// board may hold thousands, and each move asks several times.
func (b Blocks) tally(state State, part int8) (n [Largest + 1]int) {
	for i := range b.Ordered {
		if k := &b.Ordered[i]; k.State == state && (part == anyPart || k.Part == part) {
			n[k.Place]++
		}
	}
	return n
}

// isJoined reports whether the addends of a place lie together.
func (b Blocks) isJoined(p place.Place) bool { return slices.Contains(b.Joined, p) }

// insert puts blocks after the last of their place. The input is not altered.
func (b Blocks) insert(added ...Block) Blocks {
	slices.SortStableFunc(added, func(x, y Block) int { return int(y.Place) - int(x.Place) })
	out := make([]Block, 0, len(b.Ordered)+len(added))
	rest := b.Ordered
	for _, k := range added {
		n := 0
		for n < len(rest) && rest[n].Place >= k.Place {
			n++
		}
		out = append(append(out, rest[:n]...), k)
		rest = rest[n:]
	}
	b.Ordered = append(out, rest...)
	return b
}

// without is b less the blocks with these ids.
func (b Blocks) without(ids []board.PieceID) Blocks {
	gone := idSet(ids)
	out := make([]Block, 0, len(b.Ordered))
	for _, k := range b.Ordered {
		if !gone[k.ID] {
			out = append(out, k)
		}
	}
	b.Ordered = out
	return b
}

// change is b with f applied to the blocks with these ids.
func (b Blocks) change(ids []board.PieceID, f func(*Block)) Blocks {
	hit := idSet(ids)
	b.Ordered = slices.Clone(b.Ordered)
	for i := range b.Ordered {
		if hit[b.Ordered[i].ID] {
			f(&b.Ordered[i])
		}
	}
	return b
}

func idSet(ids []board.PieceID) map[board.PieceID]bool {
	set := make(map[board.PieceID]bool, len(ids))
	for _, id := range ids {
		set[id] = true
	}
	return set
}

func idsOf(blocks []Block) []board.PieceID {
	ids := make([]board.PieceID, len(blocks))
	for i, k := range blocks {
		ids[i] = k.ID
	}
	return ids
}

func newBlocks(p place.Place, n, part int, first board.PieceID) []Block {
	out := make([]Block, n)
	for i := range out {
		out[i] = Block{ID: first + board.PieceID(i), Place: p, Part: int8(part)}
	}
	return out
}

// Shape is the JSON form: alike blocks that lie side by side are one run.
type Shape struct {
	Kind   string        `json:"kind" jsonschema:"required,enum=blocks"`
	View   string        `json:"view,omitempty" jsonschema:"enum=columns,enum=mat" jsonschema_description:"Columns when left out."`
	Style  string        `json:"style,omitempty" jsonschema:"enum=solid,enum=sketch" jsonschema_description:"Solid when left out."`
	UpTo   *place.Place  `json:"upTo,omitempty" jsonschema_description:"The largest column shown though empty."`
	Joined []place.Place `json:"joined,omitempty" jsonschema_description:"Places whose addends lie together."`
	Runs   []Run         `json:"pieces" jsonschema:"required"`
}

// Run is so many blocks alike.
type Run struct {
	Place  place.Place `json:"place" jsonschema:"required"`
	Count  int         `json:"count" jsonschema:"required,minimum=1,maximum=3000"`
	Part   int         `json:"part,omitempty" jsonschema:"minimum=0,maximum=4"`
	State  string      `json:"state,omitempty" jsonschema:"enum=play,enum=crossed,enum=taken,enum=spent"`
	New    bool        `json:"new,omitempty"`
	Ringed bool        `json:"ringed,omitempty"`
	At     [][2]int    `json:"at,omitempty" jsonschema_description:"Free positions on the mat in model units, one for each block of the run."`
}

// MarshalJSON writes runs; ids are left out.
func (b Blocks) MarshalJSON() ([]byte, error) {
	s := Shape{Kind: "blocks", Joined: b.Joined, Runs: []Run{}}
	if b.Mat {
		s.View = "mat"
	}
	if b.Sketch {
		s.Style = "sketch"
	}
	if b.UpTo > Smallest {
		s.UpTo = &b.UpTo
	}
	for i, k := range b.Ordered {
		if i == 0 || !alike(b.Ordered[i-1], k) {
			s.Runs = append(s.Runs, runOf(k))
		}
		last := &s.Runs[len(s.Runs)-1]
		last.Count++
		if k.Loose {
			last.At = append(last.At, [2]int{int(k.X), int(k.Y)})
		}
	}
	return json.Marshal(s)
}

func runOf(k Block) Run {
	r := Run{Place: k.Place, Part: int(k.Part), New: k.New, Ringed: k.Ringed}
	if k.State != Play {
		r.State = stateNames[k.State]
	}
	return r
}

func alike(x, y Block) bool {
	x.ID, x.X, x.Y = y.ID, y.X, y.Y
	return x == y
}

func decode(raw json.RawMessage, ids *board.IDs) (board.Model, error) {
	var s Shape
	if err := json.Unmarshal(raw, &s); err != nil {
		return nil, err
	}
	b := Blocks{Mat: s.View == "mat", Sketch: s.Style == "sketch", Joined: s.Joined}
	if s.UpTo != nil {
		b.UpTo = *s.UpTo
	}
	var all []Block
	for i, r := range s.Runs {
		run, err := r.blocks(ids)
		if err != nil {
			return nil, fmt.Errorf("pieces[%d].%w", i, err)
		}
		if all = append(all, run...); len(all) > board.MaxPieces {
			return nil, fmt.Errorf("pieces: more than %d; a board holds no more", board.MaxPieces)
		}
	}
	return b.insert(all...), nil
}

func (r Run) blocks(ids *board.IDs) ([]Block, error) {
	state := 0
	if r.State != "" {
		state = slices.Index(stateNames, r.State)
	}
	switch {
	case r.Place < Smallest || r.Place > Largest:
		return nil, fmt.Errorf("place: there is no block for %s", r.Place)
	case r.Count < 1 || r.Count > board.MaxPieces:
		return nil, fmt.Errorf("count: %d is not from 1 to %d", r.Count, board.MaxPieces)
	case r.Part < 0 || r.Part > MaxPart:
		return nil, fmt.Errorf("part: %d is not from 0 to %d", r.Part, MaxPart)
	case state < 0:
		return nil, fmt.Errorf("state: %q is not play, crossed, taken or spent", r.State)
	case len(r.At) != 0 && len(r.At) != r.Count:
		return nil, fmt.Errorf("at: %d positions for %d blocks", len(r.At), r.Count)
	}
	run := newBlocks(r.Place, r.Count, r.Part, ids.Take(r.Count))
	for i := range run {
		run[i].State, run[i].New, run[i].Ringed = State(state), r.New, r.Ringed
		if len(r.At) > 0 {
			run[i].Loose, run[i].X, run[i].Y = true, clampX(r.At[i][0]), clampY(r.At[i][1])
		}
	}
	return run, nil
}
