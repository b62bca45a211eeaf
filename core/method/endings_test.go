package method_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/say"
)

func writtenIn(e method.Example, kind string) []string {
	var out []string
	for _, s := range e.Scene.Steps {
		for _, w := range s.Write {
			if w.Kind == kind {
				out = append(out, w.Text)
			}
		}
	}
	return out
}

// A sentence with its answer first stays so, in a row of problems and in another like it.
func TestARowOfProblemsTakesSentencesOfEitherForm(t *testing.T) {
	e, err := method.Make(method.Request{Method: "pattern", Args: []string{"25 = 35 − 10", "? = 14 - 10", "24 − 10 = 14",
		"34 − 10 ="}})
	require.NoError(t, err)
	assert.Equal(t, []string{"25 = 35 − 10", "4 = 14 − 10", "24 − 10 = 14", "34 − 10 = 24"}, writtenIn(e, "sentence"))
	typed, err := method.Typed("pattern", "25 = 35 − 10, 14 − 10")
	require.NoError(t, err)
	assert.Equal(t, []string{"25 = 35 − 10", "14 − 10"}, typed.Args)
	like, err := method.Parallel(method.Request{Method: "pattern", Args: typed.Args}, 5)
	require.NoError(t, err)
	assert.True(t, strings.HasPrefix(like.Args[0], "? = "))
	assert.False(t, strings.Contains(like.Args[1], "="))
	_, err = method.Make(method.Request{Method: "pattern", Args: []string{"25 = 35 − 11", "3 + 4"}})
	require.EqualError(t, err, "35 − 11 is 24, not 25.")
	_, err = method.Make(method.Request{Method: "pattern", Args: []string{"35 =", "3 + 4"}})
	require.Error(t, err)
}

// The last example of a set leaves the end of its work to the class, and asks no more than
// the others do.
func TestTheLastOfASetIsTheClasses(t *testing.T) {
	for _, spec := range method.Specs() {
		r := method.Request{Method: spec.ID, Args: spec.Sample}
		yours := func(nth method.Nth) (turn *lesson.Step, asked int) {
			r.InSet = nth
			e, err := method.Make(r)
			require.NoError(t, err, spec.ID)
			for i, s := range e.Scene.Steps {
				if !s.Ask.IsZero() {
					asked++
				}
				if strings.HasPrefix(s.Say.Text(say.Vocabulary{}), "Your turn.") {
					turn = &e.Scene.Steps[i]
				}
			}
			return turn, asked
		}
		turn, _ := yours(method.Nth{N: 1, Of: 3})
		assert.Nil(t, turn, spec.ID)
		turn, asked := yours(method.Nth{N: 3, Of: 3})
		if assert.NotNil(t, turn, spec.ID) {
			assert.False(t, turn.Ask.IsZero(), "%s leaves nothing to say", spec.ID)
			assert.NotEmpty(t, turn.Moves, spec.ID)
		}
		assert.LessOrEqual(t, asked, spec.Stops("7-8"), spec.ID)
	}
}

// Ten and so many stands on every model as on the rack, in the class's own sentence where
// it has one.
func TestTenAndSoManyOnEveryModel(t *testing.T) {
	for model, end := range map[string]string{"rack": "2 tens", "counters": "20 ones", "cubes": "2 tens"} {
		e, err := method.Make(method.Request{Method: "teens", Args: []string{"run"}, Model: model,
			Options: map[string]string{"sentence": "{16} is ten, and {6} on top"}})
		require.NoError(t, err)
		assert.Equal(t, end, e.End.Models[0].InPlay().String(), model)
		assert.Equal(t, "13 is ten, and 3 on top.", e.Scene.Steps[3].Say.Message.Then.Text(say.Vocabulary{}), model)
	}
	for _, n := range []string{"10", "11", "20"} {
		e, err := method.Make(method.Request{Method: "teens", Args: []string{n}, Model: "cubes"})
		require.NoError(t, err)
		for _, s := range e.Scene.Steps {
			assert.Equal(t, n, s.Total, "it is %s from the first step to the last", n)
		}
	}
	_, err := method.Make(method.Request{Method: "teens", Args: []string{"13"},
		Options: map[string]string{"sentence": "{16} is ten"}})
	require.EqualError(t, err, "Write a sentence with two numbers, each in curly braces.")
}
