// Which numbers the models hold, for methods that are shown with any.

package method

import (
	"unitbloom/core/board"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

var anyModel = []string{"blocks", "discs", "rack", "counters", "cubes"}

// fitsModel refuses a number that a model does not hold.
func fitsModel(kind string, n place.Number) error {
	spec, _ := board.SpecOf(kind)
	if spec.Most == 0 {
		return nil
	}
	if whole, ok := n.Whole(); !ok || whole > spec.Most {
		return say.Refuse("method-holds", say.Number("n", say.Given, n), say.Text("model", say.Name, kind),
			say.Int("most", say.Given, spec.Most))
	}
	return nil
}
