package method_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/method"
)

// A digit of what is taken lights the pieces that were taken, one of the difference
// those that are left.
func TestDigitsOfASubtractionLightTheirPieces(t *testing.T) {
	for _, args := range [][]string{
		{"4002", "-", "1567", "2435"}, {"300", "-", "7", "293"}, {"52", "-", "52", "0"}, {"905", "-", "0", "905"},
	} {
		for _, model := range []string{"blocks", "discs"} {
			e, err := method.Make(method.Request{Method: "column-subtract", Args: args[:3], Model: model})
			require.NoError(t, err)
			end := e.End.Models[0]
			spec, _ := board.SpecOf(end.Kind())
			lit := map[string]int{}
			for _, s := range e.Scene.Steps {
				for _, w := range s.Write {
					if w.Row != "addend 2" && w.Row != "sum" || len(w.Stands) == 0 {
						continue
					}
					n := 0
					for _, sel := range w.Stands {
						n += len(spec.Find(end, sel))
					}
					assert.Equal(t, w.Text, itoa(n), "%v with %s: %s, %v", args, model, w.Row, w.Place)
					lit[w.Row]++
				}
			}
			assert.Equal(t, digitsThatCount(args[2]), lit["addend 2"], "%v: every digit but zeros lights", args)
			assert.Equal(t, digitsThatCount(args[3]), lit["sum"], args)
		}
	}
}

func digitsThatCount(number string) int {
	return len(number) - strings.Count(number, "0") - strings.Count(number, " ")
}
