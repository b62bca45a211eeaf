package say_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"unitbloom/core/place"
	"unitbloom/core/say"
	"unitbloom/internal/proptest"
)

func TestNumbersAreSpelledAsTheClassWritesThem(t *testing.T) {
	for form, want := range map[string]string{
		"":        "4002.5 + 1000000 = 1004002.5, and 3, 4.",
		"4002.5":  "4002.5 + 1000000 = 1004002.5, and 3, 4.",
		"4,002.5": "4,002.5 + 1,000,000 = 1,004,002.5, and 3, 4.",
		"4 002.5": "4_002.5 + 1_000_000 = 1_004_002.5, and 3, 4.",
		"4002,5":  "4002,5 + 1000000 = 1004002,5, and 3, 4.",
		"4 002,5": "4_002,5 + 1_000_000 = 1_004_002,5, and 3, 4.",
	} {
		w := say.Vocabulary{Numbers: form}
		assert.NoError(t, w.Validate())
		got := w.Spell("4002.5 + 1000000 = 1004002.5, and 3, 4.")
		assert.Equal(t, strings.ReplaceAll(want, "_", "\u00a0"), got, form)
		assert.Equal(t, got, w.Spell(got), "what is spelled already stays so")
	}
	assert.ErrorContains(t, say.Vocabulary{Numbers: "4.002,5"}.Validate(), "words.numbers")
}

// Whatever number a class writes in its own form is read as that number.
func TestWhatIsSpelledIsReadBack(t *testing.T) {
	r := proptest.Random(7)
	for range proptest.Cases() {
		n, err := place.Int(r.IntN(10)).Shift(r.IntN(7) - 3)
		for range 4 {
			more, _ := place.Int(r.IntN(10)).Shift(r.IntN(7) - 3)
			n, _ = n.Add(more)
		}
		assert.NoError(t, err)
		for _, form := range say.NumberForms {
			w := say.Vocabulary{Numbers: form}
			for _, text := range []string{n.String(), n.String() + " + 12 = ?", "column-add " + n.String()} {
				assert.Equal(t, text, w.Plain(w.Spell(text)), form)
			}
		}
	}
}

func TestTypedNumbersOfAClassAreRead(t *testing.T) {
	comma, spaces := say.Vocabulary{Numbers: "4002,5"}, say.Vocabulary{Numbers: "4 002,5"}
	for typed, want := range map[string]string{
		"3,5": "3.5", "3,50 + 0,5": "3.50 + 0.5", "38, 74": "38, 74", "3.5": "3.5", "7,": "7,", ",5": ",5",
	} {
		assert.Equal(t, want, comma.Plain(typed))
		assert.Equal(t, want, spaces.Plain(typed))
	}
	assert.Equal(t, "4002 + 15", spaces.Plain("4 002 + 15"))
	assert.Equal(t, "4002 15", spaces.Plain("4\u202f002 15"), "two digits are no group")
	assert.Equal(t, "1234 567", spaces.Plain("1234 567"), "a number of four digits has no group after it")
	assert.Equal(t, "1234567.5", say.Vocabulary{Numbers: "4,002.5"}.Plain("1,234,567.5"))
	assert.Equal(t, "1,46", say.Vocabulary{Numbers: "4,002.5"}.Plain("1,46"), "it is left for the reader to refuse")
}

// A teacher may type 1,000 whatever her class writes, where a comma is no decimal sign.
func TestACommaMayGroupWhatIsTyped(t *testing.T) {
	for typed, want := range map[string]string{
		"1,000 - 1": "1000 - 1", "4,002": "4002", "2,500+1,250": "2500+1250", "1,234,567.5": "1234567.5",
		"38, 740": "38, 740", "38,74": "38,74", "100,200,300": "100,200,300", "5,100,20": "5,100,20",
		"0,100": "0,100", "1234,567": "1234,567", "1,46": "1,46", "7,": "7,", "share,97,4": "share,97,4",
	} {
		for _, form := range []string{"", "4002.5", "4 002.5"} {
			assert.Equal(t, want, say.Vocabulary{Numbers: form}.Plain(typed), form)
		}
	}
	assert.Equal(t, "3.50 + 2.75", say.Vocabulary{Numbers: "4002,5"}.Plain("€3,50 + €2,75"))
	assert.Equal(t, "4002 - 15", say.Vocabulary{Numbers: "4,002.5"}.Plain("£4,002 - £15"))
	assert.Equal(t, "4.002", say.Vocabulary{Numbers: "4002,5"}.Plain("4,002"), "here it is the decimal sign")
}

func TestAndIsLeftOutWhereTheClassDoesNotSayIt(t *testing.T) {
	w := say.Vocabulary{And: "one hundred six"}
	for n, want := range map[int]string{
		106: "one hundred six", 1006: "one thousand six", 300_006: "three hundred thousand six", 42: "forty-two",
		1_000_001: "one million one", 2_110_118: "two million one hundred ten thousand one hundred eighteen",
	} {
		assert.Equal(t, want, w.Spell(place.Int(n).Words(true)))
		assert.Equal(t, want, place.Int(n).Words(false))
	}
	five, _ := place.Parse("4000.05")
	assert.Equal(t, "four thousand and five hundredths", w.Spell(five.PlaceWords()),
		"there it parts the ones from what is below")
	assert.ErrorContains(t, say.Vocabulary{And: "yes"}.Validate(), "words.and")
}

func TestMoneyIsTheClassesOwn(t *testing.T) {
	w := say.Vocabulary{Money: "pound, pounds, penny, pence", Numbers: "4002,5"}
	assert.NoError(t, w.Validate())
	assert.Equal(t, "1 pound, 100 pence: 4,5 pounds. 1 penny.", w.Spell("1 euro, 100 cents: 4.5 euros. 1 cent."))
	assert.Equal(t, "a century", w.Spell("a century"))
	assert.ErrorContains(t, say.Vocabulary{Money: "pounds"}.Validate(), "words.money: 1 names")
}

// Counts of ones that stand in no sentence of the catalogue, as in a unit form, follow the class too.
func TestCountedOnesAreTheClassesUnits(t *testing.T) {
	w := say.Vocabulary{Ones: "units"}
	for text, says := range map[string]string{
		"2 tens 4 ones = 24":     "2 tens 4 units = 24",
		"1 ten 1 one":            "1 ten 1 unit",
		"3 ones, and 1 one more": "3 units, and 1 unit more",
		"Push 1 one by one.":     "Push 1 one by one.",
		"the ones that are left": "the ones that are left",
		"one hundred and one":    "one hundred and one",
	} {
		assert.Equal(t, says, w.Spell(text))
		assert.Equal(t, says, w.Spell(says), "spelled already")
		assert.Equal(t, text, say.Vocabulary{}.Spell(text))
	}
}
