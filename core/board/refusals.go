package board

import (
	"errors"

	"unitbloom/core/place"
	"unitbloom/core/say"
)

// The refusals that moves of every model share.

// Offering is a refusal with a move that would do what was wanted.
type Offering struct {
	*say.Refusal
	Offer Offer
	// Room makes the room that was missing, and does nothing else.
	Room Move
}

// Unwrap is the refusal.
func (o Offering) Unwrap() error { return o.Refusal }

// BadField refuses a field of a move with a reason.
func BadField(field, reason string) error {
	return say.Refuse("bad-field", say.Text("field", say.Given, field), say.Text("reason", say.Given, reason))
}

// BadCount refuses a count outside its range.
func BadCount(n, least, most int) error {
	return say.Refuse("bad-count", say.Int("n", say.Given, n), say.Int("least", say.Given, least),
		say.Int("most", say.Given, most))
}

// BadCountHere refuses a count outside the range that the pieces here allow.
func BadCountHere(n, least, most int) error {
	return say.Refuse("bad-count-here", say.Int("n", say.Given, n), say.Int("least", say.Given, least),
		say.Int("most", say.Amount, most))
}

// BadOption refuses a value that is not one of the choices.
func BadOption(option, value, choices string) error {
	return say.Refuse("bad-option", say.Text("option", say.Given, option), say.Text("value", say.Given, value),
		say.Text("choices", say.Given, choices))
}

// BadNumber refuses a typed number.
func BadNumber(err error) error {
	if errors.Is(err, place.ErrRange) {
		return say.Refuse("number-beyond", say.Number("most", say.Given, place.Max))
	}
	return say.Refuse("bad-number", say.Text("reason", say.Given, err.Error()+"."))
}
