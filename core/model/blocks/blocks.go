// Package blocks is the base-ten blocks model: ones to thousands, and on to hundred
// thousands drawn small, in columns or on an open mat. Ten of a size are bundled into one of
// the next; a block is unbundled into ten of the one before.
package blocks

import (
	"encoding/json"
	"fmt"
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/form"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
)

// Smallest and largest block, and the most addends that are told apart.
const (
	Smallest = place.Ones
	Largest  = place.HundredThousands
	MaxPart  = 4
)

var kit = pieces.Kit{
	Rules:  pieces.Rules{Noun: "block", Least: Smallest, Most: Largest, Laid: place.Thousands, Parts: MaxPart},
	Sample: "blocks 1h 4t 6o",
}

// Blocks is the model. The zero value is an empty set of columns.
type Blocks struct {
	Mat     bool           // an open mat rather than columns
	Sketch  bool           // dots, sticks and squares rather than solid blocks
	Names   bool           // the names and shapes of the places as a strip
	Colour  string         // "addend" or "plain"; by place when empty
	Traces  bool           // bundled and opened blocks leave their trace
	UpTo    place.Place    // the largest column shown though empty
	Joined  []place.Place  // places whose addends lie together
	Ordered []pieces.Piece // largest place first; the order within a place is the slots
}

// Kind is "blocks".
func (Blocks) Kind() string { return "blocks" }

// Pieces is how many blocks there are, in play or not.
func (b Blocks) Pieces() int { return len(b.Ordered) }

// InPlay is the blocks in play as they lie.
func (b Blocks) InPlay() place.UnitForm { return pieces.InPlay(b.Ordered) }

// LeavesTraces reports whether bundled and opened blocks leave their trace.
func (b Blocks) LeavesTraces() bool { return b.Traces }

// ShownTo is the largest column that is shown though empty.
func (b Blocks) ShownTo() place.Place { return b.UpTo }

// Held is the blocks.
func (b Blocks) Held() []pieces.Piece { return b.Ordered }

// With is b holding other pieces.
func (b Blocks) With(list []pieces.Piece) pieces.Holder { return b.with(list) }

// with is b holding other blocks.
func (b Blocks) with(list []pieces.Piece) Blocks { b.Ordered = list; return b }

// isJoined reports whether the addends of a place lie together.
func (b Blocks) isJoined(p place.Place) bool { return slices.Contains(b.Joined, p) }

// Shape is the JSON form: alike blocks that lie side by side are one run.
type Shape struct {
	Kind string `json:"kind" jsonschema:"required,enum=blocks"`
	// Columns when left out.
	View string `json:"view,omitempty" jsonschema:"enum=columns,enum=mat"`
	// Solid when left out.
	Style string `json:"style,omitempty" jsonschema:"enum=solid,enum=sketch"`
	// By place when left out.
	Colour string `json:"colour,omitempty" jsonschema:"enum=place,enum=addend,enum=plain"`
	// The names of the places and of their shapes are shown.
	Names bool `json:"names,omitempty"`
	// Bundled and opened blocks leave their trace, and the written method follows them.
	Traces bool `json:"traces,omitempty"`
	// The largest column shown though empty.
	UpTo *place.Place `json:"upTo,omitempty"`
	// Places whose addends lie together.
	Joined []place.Place `json:"joined,omitempty"`
	Runs   []pieces.Run  `json:"pieces" jsonschema:"required"`
}

// MarshalJSON writes runs; ids are left out.
func (b Blocks) MarshalJSON() ([]byte, error) {
	s := Shape{Kind: "blocks", Joined: b.Joined, Colour: b.Colour, Names: b.Names, Traces: b.Traces,
		Runs: pieces.Runs(b.Ordered)}
	if b.Mat {
		s.View = "mat"
	}
	if b.Sketch {
		s.Style = "sketch"
	}
	if b.UpTo > Smallest {
		s.UpTo = &b.UpTo
	}
	return form.JSON(s)
}

func decode(raw json.RawMessage, ids *board.IDs) (board.Model, error) {
	var s Shape
	if err := board.ReadForm(raw, &s); err != nil {
		return nil, err
	}
	b := Blocks{Mat: s.View == "mat", Sketch: s.Style == "sketch", Names: s.Names, Joined: s.Joined, Traces: s.Traces}
	if s.Colour != "place" {
		b.Colour = s.Colour
	}
	if !slices.Contains([]string{"", "addend", "plain"}, b.Colour) {
		return nil, fmt.Errorf("colour: %q is not place, addend or plain", s.Colour)
	}
	if s.UpTo != nil {
		b.UpTo = *s.UpTo
	}
	list, err := kit.Read(s.Runs, ids)
	if err != nil {
		return nil, err
	}
	return b.with(pieces.Insert(nil, list...)), nil
}
