// Which numbers the models hold, for methods that are shown with any.

package method

import (
	"unitbloom/core/place"
	"unitbloom/core/say"
)

var anyModel = []string{"blocks", "discs", "rack", "counters", "cubes"}

// fitsModel refuses a number that a model does not hold.
func fitsModel(kind string, n place.Number) error {
	most := map[string]int{"blocks": 9999, "rack": 100, "counters": 100, "cubes": 100}[kind]
	if kind == "discs" {
		return nil
	}
	if whole, ok := n.Whole(); !ok || whole > most {
		return say.Refuse("method-holds", say.Number("n", say.Given, n), say.Text("model", say.Name, kind),
			say.Int("most", say.Given, most))
	}
	return nil
}
