package method_test

import (
	"slices"
	"strconv"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/method"
)

// Every option of every method changes something of some problem; and what is told to matter
// for a problem is just what does.
func TestEveryOptionMattersSomewhere(t *testing.T) {
	problems := map[string][][]string{
		"column-subtract": {{"402", "167"}, {"523", "178"}}, "shift": {{"3.05", "×", "100"}}, "read": {{"rack 2: 6 8"}},
		"bonds": {{"10"}}, "unknown": {{"8 + ? = 13"}, {"? = 7 + 8"}, {"8 + ? = 9 + 4"}},
		"turn": {{"4 × 3"}}, "group": {{"24", "4"}},
		"share": {{"97", "4"}, {"12", "4"}}, "short-multiply": {{"126", "4"}}, "compare": {{"38", "74"}},
		"count": {{"0", "5", "6"}},
	}
	// Of all ways at once none is checked.
	chosen := map[string]map[string]string{"add-facts": {"way": "make ten"}, "subtract-facts": {"way": "back through ten"}}
	for _, spec := range method.Specs() {
		seen := map[string]bool{}
		for _, name := range method.Matters(method.Request{Method: spec.ID, Args: spec.Sample, Options: chosen[spec.ID]}) {
			seen[name] = true
		}
		for _, args := range append(problems[spec.ID], spec.Sample) {
			for _, model := range spec.Kinds() {
				for _, name := range method.Matters(method.Request{Method: spec.ID, Args: args, Model: model}) {
					seen[name] = true
				}
			}
		}
		for _, o := range spec.Options {
			assert.True(t, seen[o.Name], "%s: %s never changes anything", spec.ID, o.Name)
		}
	}
	sum := method.Matters(method.Request{Method: "column-add", Args: []string{"146", "87"}, Model: "blocks"})
	assert.Subset(t, sum, []string{"marks", "style", "ask", "pace", "answer"})
	easy := method.Matters(method.Request{Method: "column-add", Args: []string{"23", "45"}, Model: "discs"})
	assert.NotContains(t, easy, "style", "discs are not sketched")
	assert.False(t, slices.Contains(easy, "regroup"))
	require.Empty(t, method.Matters(method.Request{Method: "column-add", Args: []string{"hello"}}))
	require.Empty(t, method.Matters(method.Request{Method: "dance"}))
}

// Each pair once is every pair with its larger part first, and no other.
func TestPairsMayStandOnce(t *testing.T) {
	for n := 1; n <= 20; n++ {
		for least, zero := range []string{"allowed", "not allowed"} {
			e, err := method.Make(method.Request{Method: "bonds", Args: []string{strconv.Itoa(n)},
				Options: map[string]string{"pairs": "once", "zero": zero}})
			if n < 2*least {
				require.Error(t, err)
				continue
			}
			require.NoError(t, err)
			var want, got []string
			for one := n - least; one >= n-one; one-- {
				want = append(want, strconv.Itoa(one)+" "+strconv.Itoa(n-one))
			}
			for _, s := range e.Scene.Steps {
				for _, w := range s.Write {
					if w.Kind == "row" {
						got = append(got, w.Cells[0]+" "+w.Cells[1])
					}
				}
			}
			assert.Equal(t, want, got)
			assert.Equal(t, strconv.Itoa(len(want)), e.Scene.Made.Answer)
		}
	}
}
