// Package discs is the place value chart: columns from millions to thousandths
// with discs or plain dots, one to four rows, groups to share into, and digit
// cards below. The decimal point is part of the chart and never moves: digits
// do.
package discs

import (
	"encoding/json"
	"fmt"

	"unitbloom/core/board"
	"unitbloom/core/form"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
)

// Limits of one chart.
const (
	MaxRows   = 4
	MaxGroups = 12
	// cardIDs is how many ids the digit cards have: a shift by up to nine places
	// in either direction keeps each digit's own.
	cardIDs = 64
)

var kit = pieces.Kit{
	Rules:  pieces.Rules{Noun: "disc", Least: place.Smallest, Most: place.Largest, Parts: MaxRows},
	Sample: "discs 1h 4t 6o",
}

// Discs is the model.
type Discs struct {
	Top, Bottom place.Place // the columns shown though empty
	Rows        int         // rows shown though empty, 1 to 4
	Groups      int         // tracks to share into
	Dots        bool        // plain dots rather than labelled discs
	Traces      bool        // bundled and opened discs leave their trace
	Together    bool        // the addends lie in one row, and are still told apart
	Cards       bool        // digit cards follow the discs
	CardsTo     place.Place // the place that they reach down to at least, ones or less
	Alone       string      // digit cards alone, as written; empty for none
	Began       string      // digits of the start row that stand alone; empty for none
	List        []pieces.Piece
	cards       board.PieceID // the first id of the digit cards
	turned      int           // how far the digits were shifted since the board was opened
}

// Kind is "discs".
func (Discs) Kind() string { return "discs" }

// Pieces is how many discs there are, in play or not.
func (d Discs) Pieces() int { return len(d.List) }

// LeavesTraces reports whether bundled and opened discs leave their trace.
func (d Discs) LeavesTraces() bool { return d.Traces }

// Held is the discs.
func (d Discs) Held() []pieces.Piece { return d.List }

// With is d holding other pieces.
func (d Discs) With(list []pieces.Piece) pieces.Holder { return d.with(list) }

// with is d holding other discs.
func (d Discs) with(list []pieces.Piece) Discs { d.List = list; return d }

// InPlay is the discs in play as they lie.
func (d Discs) InPlay() place.UnitForm { return pieces.InPlay(d.List) }

// row is the row of a disc, from 1.
func row(k *pieces.Piece) int { return max(1, int(k.Part)) }

// rows is how many rows the chart has.
func (d Discs) rows() int {
	n := max(1, d.Rows)
	if d.Together {
		return 1
	}
	for i := range d.List {
		n = max(n, row(&d.List[i]))
	}
	return n
}

// readDigits reads digits that stand alone, as they are written, if there are any.
func readDigits(digits string) (place.Written, bool) {
	w, err := place.Parse(digits)
	return w, err == nil
}

// span is the columns shown: those chosen and those that hold discs or digits.
func (d Discs) span() (top, bottom place.Place) {
	top, bottom = d.Top, min(d.Bottom, place.Ones)
	for i := range d.List {
		top, bottom = max(top, d.List[i].Place), min(bottom, d.List[i].Place)
	}
	if w, alone := readDigits(d.Alone); alone {
		top, bottom = max(top, w.Top()), min(bottom, place.Place(-w.Decimals))
	}
	if w, alone := readDigits(d.Began); alone {
		top, bottom = max(top, w.Top()), min(bottom, place.Place(-w.Decimals))
	}
	if d.Cards {
		bottom = min(bottom, d.CardsTo)
	}
	return max(top, bottom), bottom
}

// JSON is the form in files: alike discs that lie side by side are one run.
type JSON struct {
	Kind string `json:"kind" jsonschema:"required,enum=discs"`
	// The largest column shown though empty.
	Top place.Place `json:"top" jsonschema:"required"`
	// The smallest column shown though empty, ones or less.
	Bottom place.Place `json:"bottom" jsonschema:"required"`
	Rows   int         `json:"rows,omitempty" jsonschema:"minimum=0,maximum=4"`
	// Tracks to share into.
	Groups int `json:"groups,omitempty" jsonschema:"minimum=0,maximum=12"`
	// Labelled discs when left out.
	Style string `json:"style,omitempty" jsonschema:"enum=discs,enum=dots"`
	// Digit cards follow the discs.
	Cards bool `json:"cards,omitempty"`
	// The place that the digit cards reach down to at least, with zeros where digits lack.
	To *place.Place `json:"cardsTo,omitempty"`
	// Digit cards alone, as a written number.
	Digits string `json:"digits,omitempty" jsonschema:"maxLength=20"`
	// Bundled and opened discs leave their trace, and the written method follows them.
	Traces bool `json:"traces,omitempty"`
	// The addends lie in one row, and are still told apart.
	Joined bool `json:"together,omitempty"`
	// What the digits that stand alone were before they were shifted.
	Began string       `json:"began,omitempty" jsonschema:"maxLength=20"`
	Runs  []pieces.Run `json:"pieces" jsonschema:"required"`
}

// MarshalJSON writes runs; ids are left out.
func (d Discs) MarshalJSON() ([]byte, error) {
	out := JSON{Kind: "discs", Top: d.Top, Bottom: d.Bottom, Rows: d.Rows, Groups: d.Groups, Cards: d.Cards,
		Digits: d.Alone, Began: d.Began, Traces: d.Traces, Joined: d.Together, Runs: pieces.Runs(d.List)}
	if d.Dots {
		out.Style = "dots"
	}
	if d.CardsTo < place.Ones {
		out.To = &d.CardsTo
	}
	return form.JSON(out)
}

func decode(raw json.RawMessage, ids *board.IDs) (board.Model, error) {
	var in JSON
	if err := board.ReadForm(raw, &in); err != nil {
		return nil, err
	}
	d := Discs{Top: in.Top, Bottom: in.Bottom, Rows: in.Rows, Groups: in.Groups, Dots: in.Style == "dots", Cards: in.Cards,
		Alone: in.Digits, Began: in.Began, Traces: in.Traces, Together: in.Joined}
	if in.To != nil {
		d.CardsTo = *in.To
	}
	list, err := kit.Read(in.Runs, ids)
	if err != nil {
		return nil, err
	}
	d.List, d.cards = pieces.Insert(nil, list...), ids.Take(cardIDs)
	return d, d.check()
}

// check holds what a file may have wrong: rows, groups and columns that there
// cannot be, digits that are no number, discs on tracks that are not there.
func (d Discs) check() error {
	switch {
	case d.Rows < 0 || d.Rows > MaxRows:
		return fmt.Errorf("rows: %d is not from 0 to %d", d.Rows, MaxRows)
	case d.Groups < 0 || d.Groups > MaxGroups:
		return fmt.Errorf("groups: %d is not from 0 to %d", d.Groups, MaxGroups)
	case d.Bottom > place.Ones || d.Top < d.Bottom:
		return fmt.Errorf("bottom: the chart's columns go from a larger place down to ones or less")
	case d.CardsTo > place.Ones || d.CardsTo < place.Smallest:
		return fmt.Errorf("cardsTo: %s is not ones or a place after the point", d.CardsTo)
	}
	for field, digits := range map[string]string{"digits": d.Alone, "began": d.Began} {
		if digits == "" {
			continue
		}
		if _, err := place.Parse(digits); err != nil {
			return fmt.Errorf("%s: %w", field, err)
		}
	}
	for i := range d.List {
		if k := &d.List[i]; int(k.Group) > d.Groups {
			return fmt.Errorf("pieces: a disc is in group %d of %d", k.Group, d.Groups)
		}
	}
	return kit.Check(d.List)
}

func newDiscs(list []pieces.Piece, ids *board.IDs) Discs {
	d := Discs{Top: place.Hundreds, List: list, cards: ids.Take(cardIDs)}
	return d
}
