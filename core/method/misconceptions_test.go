package method_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/method"
	"unitbloom/core/say"
)

// What children are known to get wrong is shown for what it is, or is not taken: these
// were once invited.

func cells(e method.Example, row string) string {
	out := ""
	for _, s := range e.Scene.Steps {
		for _, w := range s.Write {
			if w.Kind == "cell" && w.Row == row && w.Place != nil {
				out += w.Text
			}
		}
	}
	return out
}

func TestAZeroHoldsItsPlace(t *testing.T) {
	e := asking(t, "build", "4070")
	assert.Equal(t, "4070", cells(e, "sum"), "every digit is written")
	said, asked := find(e, "build.none.ask")
	assert.True(t, asked, "and each 0 is asked about")
	assert.Equal(t, "0. It keeps the other digits in their places.", said)
	said, _ = find(e, "build.zeros-why")
	assert.Equal(t, "47. The zeros keep the 4 in the thousands.", said)
	said, _ = find(asking(t, "build", "740"), "build.zero-why")
	assert.Equal(t, "74. The 0 keeps the 4 in the tens.", said)
}

func TestThreePointZeroFourIsNotThreePointFour(t *testing.T) {
	e := asking(t, "build", "3.04")
	assert.Equal(t, "304", cells(e, "sum"))
	assert.NotEqual(t, cells(asking(t, "build", "3.4"), "sum"), cells(e, "sum"))
	_, asked := find(e, "build.none.ask")
	assert.True(t, asked)
}

func TestOneLessCanChangeEveryDigit(t *testing.T) {
	said, _ := find(asking(t, "more-less", "1000", "-1"), "moreLess.less.is")
	assert.Equal(t, "999. 1 thousand is unbundled into ten hundreds. 1 hundred is unbundled into ten tens. "+
		"1 ten is unbundled into ten ones.", said)
	why, _ := find(asking(t, "more-less", "1000", "-1"), "moreLess.why")
	assert.Equal(t, "There were no ones to take. A thousand had to be unbundled.", why)
}

func TestASubtractionIsNotTurnedRound(t *testing.T) {
	_, err := method.Make(method.Request{Method: "turn", Args: []string{"7", "-", "2"}})
	assert.EqualError(t, err, "“Either way round” is for + or ×. For 7 - 2 take “Subtraction facts”.")
	said, asked := find(asking(t, "turn", "7", "+", "2"), "turn.minus")
	assert.True(t, asked)
	assert.Equal(t, "No: from 7 we can take 2 and keep 5. From 2 we cannot take 7.", said)
}

func TestThreeTimesFourIsNotSeven(t *testing.T) {
	_, err := method.Make(method.Request{Method: "array", Args: []string{"3", "+", "4"}})
	assert.EqualError(t, err, "“Rows and columns” is for ×. For 3 + 4 take “Addition facts”.")
	assert.Equal(t, "12", asking(t, "array", "3", "x", "4").Scene.Made.Answer)
}

func TestTenTenthsMakeAOne(t *testing.T) {
	e := asking(t, "column-add", "0.5", "+", "0.5")
	said, _ := find(e, "columnAdd.regroup")
	assert.Equal(t, "Bundle them into a one. None stay.", said)
	said, _ = find(e, "columnAdd.read")
	assert.Equal(t, "1 one: 1.0.", said)
	assert.Equal(t, "01", cells(e, "sum"), "1.0, as its digits are written")
	assert.NotContains(t, strings.Join(written(e), " "), "0.10")
}

func TestAZeroAtTheEndOfADecimalChangesNothing(t *testing.T) {
	e := asking(t, "compare", "3.50", "3.5")
	assert.Equal(t, "3.50 and 3.5", e.Scene.Title, "what was typed stands there")
	said, asked := find(e, "compare.zero")
	assert.True(t, asked)
	assert.Equal(t, "No: 3.5 and 3.50 are worth the same.", said)
	assert.Contains(t, written(e), "3.50 = 3.5")
	assert.Equal(t, "=", e.Scene.Made.Answer)
	for id, args := range map[string][]string{"build": {"40.00"}, "column-subtract": {"2.50", "-", "1.25"},
		"column-add": {"3.40", "+", "1.60"},
		"shift":      {"40.00", "x", "10"}} {
		assert.Contains(t, asking(t, id, args...).Scene.Title, args[0], id)
	}
}

// A sign that a method does not work is refused, and the method that does is named.
func TestSignsMeanWhatTheySay(t *testing.T) {
	for problem, says := range map[string]string{
		"add-facts 8 - 5": "Subtraction facts", "add-facts 8 x 5": "Rows and columns",
		"subtract-facts 14 + 6":   "Column addition",
		"column-subtract 87 + 46": "Column addition", "array 7 + 6": "Addition facts",
		"share 97 x 4": "Column multiplication",
		"group 14 + 4": "Column addition", "difference 9 + 3": "Addition facts", "turn 7 / 2": "Share out",
		"column-add 146 - 87": "Column subtraction", "shift 5 + 10": "Addition facts", "short-multiply 24 / 3": "Share out",
		"unit-fact 30 + 4": "Column addition",
	} {
		words := strings.Fields(problem)
		_, err := method.Make(method.Request{Method: words[0], Args: words[1:]})
		require.Error(t, err, problem)
		assert.ErrorContains(t, err, " take “"+says+"”.", problem)
	}
}

// Wherever ten or more of a place come together the model is asked, and agrees.
func TestWhatIsSaidToBeThereIsThere(t *testing.T) {
	e := asking(t, "short-multiply", "126", "x", "4")
	now := e.Scene.Start
	for _, s := range e.Scene.Steps {
		next, err := board.ApplyAll(now, s.Moves)
		require.NoError(t, err)
		now = next
		for _, v := range s.Answer.Message.Values {
			if v.Name == "sum" && v.Place != nil {
				assert.Equal(t, v.Text, itoa(now.Models[0].InPlay().Of(*v.Place)), s.Answer.Message.ID)
			}
		}
	}
}

// Numbers of unlike length stand place under place: the zeros that fill the shorter one are told.
func TestZerosThatFillANumberAreTold(t *testing.T) {
	e := asking(t, "column-add", "3.70", "+", "2")
	assert.Equal(t, "Build 2 too, ones with ones. We write 2.00 for 2: it is worth the same.",
		e.Scene.Steps[1].Say.Text(say.Vocabulary{}))
	assert.Equal(t, "200", cells(e, "addend 2"))
	assert.NotContains(t, e.Scene.Steps[0].Say.Text(say.Vocabulary{}), "worth the same")
	e = asking(t, "column-subtract", "5", "-", "2.75")
	assert.Contains(t, e.Scene.Steps[0].Say.Text(say.Vocabulary{}), "We write 5.00 for 5:")
}
