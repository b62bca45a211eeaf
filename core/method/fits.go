// Which models a method is shown with, and which numbers they hold.

package method

import (
	"math"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Kinds are the kinds of model that a method can be shown with; the first that the
// problem fits is its default.
func (s Spec) Kinds() []string {
	if s.Models != nil {
		return s.Models
	}
	var kinds []string
	for _, m := range board.Specs() {
		kinds = append(kinds, m.Kind)
	}
	return kinds
}

// mostOf is the largest number that a model shows.
func mostOf(kind string) int {
	if most := specOf(kind).Most; most > 0 {
		return most
	}
	return math.MaxInt
}

// fitsModel refuses a number that a model does not hold.
func fitsModel(kind string, n place.Number) error {
	spec := specOf(kind)
	if spec.Most == 0 {
		return nil
	}
	if whole, ok := n.Whole(); !ok || whole > spec.Most {
		return say.Refuse("method-holds", say.Number("n", say.Given, n),
			say.Text("model", say.Name, strings.ToLower(spec.Title)),
			say.Int("most", say.Given, spec.Most))
	}
	return nil
}
