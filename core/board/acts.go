package board

import "unitbloom/core/place"

// Acts are what a class sees done with a model, each as the move or the moves that do
// it. A model has those that its kind is good for and leaves out the others; Build is
// the one that every model has. Methods ask for acts, and name no model's moves.
type Acts struct {
	// Build puts a number, or a sum like 6 + 3, in place of what is there.
	Build func(amount string) Move
	// Step brings so many ones more, or fewer, where all pieces are ones.
	Step func(by int, down bool) Move
	// Slide brings rows of beads to a number each, all in one push.
	Slide func(rows ...Row) Move

	// Frames is the model in notation with empty frames of so many rows and columns.
	Frames func(frames, rows, columns int) string
	// Fill puts so many into a frame, counted from 1, or with frame 0 into the next free
	// cells; the others are told apart from the first.
	Fill func(frame, count int, others bool) Move
	// Parts tells the first so many of the whole apart from the rest, and Swap lets the
	// two change places.
	Parts func(first int) Move
	Swap  func() Move
	// Story lets the pieces stand for a thing of a story, like bulbs.
	Story func(things string) []Move
	// Array sets so many rows of so many. Skip counts in steps along its edge, Numerals
	// numbers its squares, Shade parts it after so many rows, Turn turns it on its side.
	Array          func(rows, columns int) Move
	Skip, Numerals func(shown bool) Move
	Shade          func(after int) Move
	Turn           func() Move

	// Tower makes ten cubes of a train a tower of ten.
	Tower func(train int) Move
	// Traces lets what is bundled and opened leave its trace, for the written method.
	Traces func(shown bool) Move

	// Groups sets so many groups to share into. Deal gives one of a place to each group,
	// or all of the place that go round. Put puts pieces, by their slots, into a group.
	Groups func(count int) Move
	Deal   func(p place.Place) Move
	Put    func(slots []int, group int) Move
	// OpenLeft opens so many pieces of a place that no group took.
	OpenLeft func(m Model, p place.Place, count int) Move

	// Reach shows columns up to a place though they are empty; Columns shows those from a
	// place to another and no others. Join brings the addends of a place together.
	Reach   func(top place.Place) Move
	Columns func(top, bottom place.Place) Move
	Join    func(p place.Place) Move
	// Sketch draws the pieces as a class would draw them.
	Sketch func() Move
	// Cards lays digit cards below the columns, down to a place where one is given.
	Cards func(to *place.Place) Move
	// Shift moves every digit so many columns up, or down; the start may be kept in sight.
	Shift func(by int, keep bool) Move

	// Extend puts so many more on the end of a row, as an addend, and Snap breaks the
	// first row in two and tells the parts apart.
	Extend func(row, count, part int) Move
	Snap   func(after int) []Move
}

// Row is a row of a model, counted from 1, and the number that it is brought to.
type Row struct{ Row, To int }
