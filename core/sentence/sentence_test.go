package sentence_test

import (
	"fmt"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/place"
	"unitbloom/core/say"
	"unitbloom/core/sentence"
	"unitbloom/internal/proptest"
)

func TestSentencesAreJudged(t *testing.T) {
	for _, c := range []struct{ text, state, answer, says string }{
		{"3 + 4 = 7", "true", "", "True."},
		{"7 = 3+4", "true", "", "True."},
		{"7=7", "true", "", "True."},
		{"3 + 4 = 8", "false", "", "3 + 4 is 7, and 8 is 8."},
		{"3 + 4 = 5 + 2", "true", "", "True."},
		{"12 - 5 > 6", "true", "", "True."},
		{"12 − 5 < 6", "false", "", "12 − 5 is 7, and 6 is 6."},
		{"6 x 7 = 42", "true", "", "True."},
		{"7 * 6 = 5 × 6 + 2 × 6", "true", "", "True."},
		{"2 + 3 × 4 = 14", "true", "", "True."},
		{"10 - 4 - 3 = 3", "true", "", "True."},
		{"24 / 4 / 2 = 3", "true", "", "True."},
		{"1 ÷ 3 = 2 ÷ 6", "true", "", "True."},
		{"0.1 + 0.2 = 0.3", "true", "", "True."},
		{"3 - 5 = 2", "false", "", "3 − 5 is −2, and 2 is 2."},
		{"? + 7 = 15", "open", "8", "8 makes it true."},
		{"15 = 7 + □", "open", "8", "8 makes it true."},
		{"_ × 6 = 42", "open", "7", "7 makes it true."},
		{"42 ÷ ? = 6", "open", "7", "7 makes it true."},
		{"20 - ? = 13", "open", "7", "7 makes it true."},
		{"3.05 × ? = 30.5", "open", "10", "10 makes it true."},
		{"100 ÷ ? + 5 = 25", "open", "5", "5 makes it true."},
		{"5 + 100 ÷ ? = 25", "open", "5", "5 makes it true."},
		{"? = 1 ÷ 3", "claimed", "", "No number here makes it true."},
		{"3 - ? = 5", "claimed", "", "No number here makes it true."},
		{"0 × ? = 5", "claimed", "", "No number here makes it true."},
		{"? > 5", "claimed", "", "Many numbers make it true."},
		{"450 cm = 4.5 m", "true", "", "True."},
		{"450cm = 4.6m", "false", "", "450 cm is 4.5 m, and 4.6 m is 4.6 m."},
		{"3 kg − 250 g = 2750 g", "true", "", "True."},
		{"2 l > 1999 ml", "true", "", "True."},
		{"90 min = 1.5 h", "true", "", "True."},
		{"3 × 25 cm = 75 cm", "true", "", "True."},
		{"75 cm ÷ 25 cm = 3", "true", "", "True."},
		{"75 cm ÷ 3 = 0.25 m", "true", "", "True."},
		{"? cm = 4.5 m", "open", "450", "450 makes it true."},
		{"6 thousands ÷ 3 = 2 thousands", "true", "", "True."},
		{"3 tens 6 ones = 36", "true", "", "True."},
		{"14 tens = 1 hundred 4 tens", "true", "", "True."},
		{"1 ten = 1", "false", "", "1 ten is 10, and 1 is 1."},
		{"? tens = 60", "open", "6", "6 makes it true."},
		{"34 tenths = 3.4", "true", "", "True."},
		{"85 ÷ 4 = 21 r 1", "true", "", "True."},
		{"21 R 1 = 85 : 4", "true", "", "True."},
		{"85 ÷ 4 = 21r1", "true", "", "True."},
		{"85 ÷ 4 = 20 remainder 5", "false", "", "With 5 left over, 4 more can go. Less than 4 is left over."},
		{"85 ÷ 4 = 21 r 2", "false", "", "21 × 4 and 2 more is 86, not 85."},
		{"85 ÷ 4 = 21 r ?", "open", "1", "1 makes it true."},
		{"85 ÷ 4 = ? r 1", "open", "21", "21 makes it true."},
		{"85 ÷ ? = 21 r 1", "open", "4", "4 makes it true."},
		{"? ÷ 4 = 21 r 1", "open", "85", "85 makes it true."},
		{"85 ÷ 4 = ? r 2", "claimed", "", "No number here makes it true."},
		{"85 ÷ ? = 0 r 1", "claimed", "", "No number here makes it true."},
		{"84 ÷ 4 = 21 r 0", "true", "", "True."},
		{"3.98 ≈ 4", "true", "", "True."},
		{"146 + 87 ≈ 200", "true", "", "True."},
		{"48 + 33 ≈ 50 + 30 = 80", "true", "", "True."},
		{"27 ≈ 100", "false", "", "27 is 27, and 100 is 100. These are not near each other."},
		{"0 ≈ 1", "false", "", "0 is 0, and 1 is 1. These are not near each other."},
		{"0.34 ≈ 0.3", "true", "", "True."},
		{"3 = 4 = ?", "false", "", "No number here makes it true."},
		{"3 + ? = 8 = 9", "false", "", "No number here makes it true."},
	} {
		v, err := sentence.Judge(c.text)
		require.NoError(t, err, c.text)
		assert.Equal(t, c.state, v.State, c.text)
		assert.Equal(t, c.answer, v.Answer, c.text)
		assert.Equal(t, c.says, v.Said.Text(say.Vocabulary{}), c.text)
	}
}

func TestAFalseChainIsOfferedArrows(t *testing.T) {
	v, err := sentence.Judge("3 + 4 = 7 + 2 = 9 - 1 = 8")
	require.NoError(t, err)
	assert.Equal(t, "false", v.State)
	assert.Equal(t, "3 + 4 → 7 + 2 → 9 − 1 → 8", v.Arrow)
	v, err = sentence.Judge("3 + 4 = 6 + 2 = 9")
	require.NoError(t, err)
	assert.Empty(t, v.Arrow, "these are no steps of one another")
	v, err = sentence.Judge("3 + 4 = 7 = 5 + 2")
	require.NoError(t, err)
	assert.Equal(t, "true", v.State, "a true chain is left as it is")
}

func TestWhatIsNoSentenceIsRefused(t *testing.T) {
	for text, says := range map[string]string{
		"":              "There is nothing on one side of the sign.",
		"7":             `“7” has no sign. Write =, < or > between two sides.`,
		"3 + = 7":       `“3 +” is not a side of a sentence. Write numbers with +, −, × or ÷ between them.`,
		"? + ? = 7":     "There are 2 unknowns. Leave one.",
		"3 ÷ 0 = 1":     "Nothing can be divided by 0.",
		"three = 3":     `“three” is not a number. Write digits, like 146 or 3.05.`,
		"1=1=1=1=1=1=1": "This chain is too long. Write at most six sides.",
	} {
		_, err := sentence.Judge(text)
		require.Error(t, err, text)
		if text == "" {
			continue
		}
		assert.Equal(t, says, err.Error(), text)
	}
}

// An oracle of its own: whole numbers, worked with Go's own arithmetic.
func TestRandomSentencesAgreeWithPlainArithmetic(t *testing.T) {
	r := proptest.Random(11)
	for range proptest.Cases() {
		a, b, c := r.IntN(500), r.IntN(500), 1+r.IntN(30)
		right := a + b*c
		v, err := sentence.Judge(fmt.Sprintf("%d + %d × %d = %d", a, b, c, right))
		require.NoError(t, err)
		require.Equal(t, "true", v.State)
		v, err = sentence.Judge(fmt.Sprintf("%d + %d × %d = %d", a, b, c, right+1))
		require.NoError(t, err)
		require.Equal(t, "false", v.State)
		// Any one number of it can be left out and found again.
		texts := []string{strconv.Itoa(a), strconv.Itoa(b), strconv.Itoa(right)}
		out := r.IntN(3)
		want := texts[out]
		texts[out] = "?"
		v, err = sentence.Judge(fmt.Sprintf("%s + %s × %d = %s", texts[0], texts[1], c, texts[2]))
		require.NoError(t, err)
		require.Equal(t, want, v.Answer)
		require.Equal(t, strings.Replace(v.Text, sentence.Unknown, want, 1), v.Solved)
		solved, err := sentence.Judge(v.Solved)
		require.NoError(t, err)
		require.Equal(t, "true", solved.State)
	}
}

// What was typed in a hurry is told in our signs, and its numbers and words stay as they were written.
func TestASentenceIsToldInOurSigns(t *testing.T) {
	for text, says := range map[string]string{
		"14-10=4":                 "14 − 10 = 4",
		"3 x 4 = 12":              "3 × 4 = 12",
		"12/4=3":                  "12 ÷ 4 = 3",
		"1.50 + 2.0 = 3.5":        "1.50 + 2.0 = 3.5",
		"85 ÷ 4 = 21 remainder 1": "85 ÷ 4 = 21 remainder 1",
		"85:4 = 21 r 1":           "85 ÷ 4 = 21 r 1",
		"3 m + 20 cm = 320 cm":    "3 m + 20 cm = 320 cm",
		"2 tens 4 ones = 24":      "2 tens 4 ones = 24",
		"6 + ? = 14":              "6 + □ = 14",
		"85 ÷ 4 = 21 remainder ?": "85 ÷ 4 = 21 remainder □",
		"3 tens  ×  4 = 12  tens": "3 tens × 4 = 12 tens",
		"408<480":                 "408 < 480",
	} {
		v, err := sentence.Judge(text)
		require.NoError(t, err, text)
		assert.Equal(t, says, v.Text)
	}
}

func TestSentencesAgainstAModel(t *testing.T) {
	v, err := sentence.Judge("6 + 3 = 9")
	require.NoError(t, err)
	assert.True(t, v.Against(place.Int(9)))
	assert.False(t, v.Against(place.Int(8)))
	v, err = sentence.Judge("6 + 3 = ?")
	require.NoError(t, err)
	assert.True(t, v.Against(place.Int(9)))
	assert.Equal(t, "408 < 480", sentence.Compare(place.Int(408), place.Int(480)))
	assert.Equal(t, "7 = 7", sentence.Compare(place.Int(7), place.Int(7)))
}

func FuzzJudge(f *testing.F) {
	for _, text := range []string{"3 + 4 = 7", "? ÷ 6 = 7", "1 = 2 = 3", "9999999 × 9999999 > 1", "x"} {
		f.Add(text)
	}
	f.Fuzz(func(t *testing.T, text string) {
		v, err := sentence.Judge(text)
		if err != nil {
			return
		}
		again, err := sentence.Judge(v.Text)
		require.NoError(t, err)
		require.Equal(t, v.Text, again.Text)
		require.Equal(t, v.State, again.State)
	})
}

func TestWhatDoesNotMeasureTheSameIsRefused(t *testing.T) {
	for text, says := range map[string]string{
		"3 m = 3 kg":           "Here are m and g. They do not measure the same.",
		"3 m + 2 kg = 5 m":     "Here are m and g. They do not measure the same.",
		"3 m × 2 m = 6 m":      "Here m is multiplied by m. Multiply by a number alone.",
		"450 cm = 4.5":         "One side is in m, and the other has no unit. Write the unit too.",
		"6 ÷ 2 m = 3 m":        "One side is in m, and the other has no unit. Write the unit too.",
		"3 + 4 = 7 r 1":        "A remainder stands beside a quotient, like 85 ÷ 4 = 21 r 1.",
		"85 ÷ 4 < 21 r 2":      "A remainder stands beside a quotient, like 85 ÷ 4 = 21 r 1.",
		"85 ÷ 4 = 21 r 1 = 22": "A remainder stands beside a quotient, like 85 ÷ 4 = 21 r 1.",
		"3 bulbs = 3":          `“bulbs” is not a place.`,
	} {
		_, err := sentence.Judge(text)
		require.Error(t, err, text)
		assert.Contains(t, err.Error(), strings.TrimSuffix(says, "."), text)
	}
}
