package sentence_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/say"
	"unitbloom/core/sentence"
)

func TestASentenceIsReadAsTheClassReadsIt(t *testing.T) {
	for _, c := range []struct {
		text, want string
		words      say.Vocabulary
	}{
		{"13 - 5 = 8", "thirteen minus five equals eight", say.Vocabulary{}},
		{"13 - 5 = 8", "thirteen take away five equals eight", say.Vocabulary{Minus: "take away"}},
		{"8 = 13 − 5", "eight equals thirteen less five", say.Vocabulary{Minus: "less"}},
		{"? + 7 = 15", "what plus seven equals fifteen", say.Vocabulary{}},
		{"5 × 6 > 2 × 6", "five times six is greater than two times six", say.Vocabulary{}},
		{"21 ÷ 4 = 5 r 1", "twenty-one divided by four equals five remainder one", say.Vocabulary{}},
		{"498 ≈ 500", "four hundred and ninety-eight is about five hundred", say.Vocabulary{}},
		{"498 < 500", "four hundred ninety-eight is less than five hundred",
			say.Vocabulary{And: "one hundred six"}},
		{"1 m = 100 cm", "one metre equals one hundred centimetres", say.Vocabulary{}},
		{"? cm = 4.5 m", "how many centimetres equals four point five metres", say.Vocabulary{}},
		{"4.05 + 1 = 5.05", "four comma zero five plus one equals five comma zero five",
			say.Vocabulary{Numbers: "4002,5"}},
		{"1 ten 4 ones = 14", "one ten four ones equals fourteen", say.Vocabulary{}},
		{"14 ones = 1 ten 4 ones", "fourteen units equals one ten four units", say.Vocabulary{Ones: "units"}},
		{"6 thousands ÷ 3 = 2 thousands", "six thousands divided by three equals two thousands", say.Vocabulary{}},
	} {
		s, err := sentence.Parse(c.text)
		require.NoError(t, err, c.text)
		assert.Equal(t, c.want, s.Read(c.words), c.text)
	}
}

func TestWaysToReadMinusAreThree(t *testing.T) {
	for _, name := range say.MinusNames {
		assert.NoError(t, say.Vocabulary{Minus: name}.Validate())
	}
	assert.EqualError(t, say.Vocabulary{Minus: "without"}.Validate(),
		"words.minus: \"without\" is not a choice. Use one of minus, take away, less")
}
