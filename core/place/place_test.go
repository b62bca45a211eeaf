package place_test

import (
	"fmt"
	"math/big"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"unitbloom/core/place"
	"unitbloom/internal/proptest"
)

// numberText draws a numeral and tells its value as an exact fraction.
func numberText(t *rapid.T) (string, *big.Rat) {
	whole := rapid.IntRange(0, 9_999_999).Draw(t, "whole")
	decimals := rapid.IntRange(0, 3).Draw(t, "decimals")
	text := strconv.Itoa(whole)
	if decimals > 0 {
		text += "." + rapid.StringOfN(rapid.RuneFrom([]rune("0123456789")), decimals, decimals, -1).Draw(t, "fraction")
	}
	value, ok := new(big.Rat).SetString(text)
	if !ok {
		t.Fatalf("no value for %q", text)
	}
	return text, value
}

func ratOf(n place.Number) *big.Rat {
	v, _ := new(big.Rat).SetString(n.String())
	return v
}

func TestParseKeepsTheWrittenFormAndTheValue(t *testing.T) {
	proptest.Check(t, func(t *rapid.T) {
		text, value := numberText(t)
		w, err := place.Parse(text)
		require.NoError(t, err)
		assert.Equal(t, text, w.String())
		assert.Zero(t, ratOf(w.Number).Cmp(value))
		again, err := place.Parse(w.Number.String())
		require.NoError(t, err)
		assert.Equal(t, w.Number, again.Number)
	})
}

func TestArithmeticAgreesWithBigFractions(t *testing.T) {
	proptest.Check(t, func(t *rapid.T) {
		at, av := numberText(t)
		bt, bv := numberText(t)
		a, _ := place.Parse(at)
		b, _ := place.Parse(bt)
		limit := ratOf(place.Max)

		sum, err := a.Add(b.Number)
		want := new(big.Rat).Add(av, bv)
		require.Equal(t, want.Cmp(limit) <= 0, err == nil)
		if err == nil {
			assert.Zero(t, ratOf(sum).Cmp(want))
		}
		diff, err := a.Sub(b.Number)
		want = new(big.Rat).Sub(av, bv)
		require.Equal(t, want.Sign() >= 0, err == nil)
		if err == nil {
			assert.Zero(t, ratOf(diff).Cmp(want))
		}
		assert.Equal(t, av.Cmp(bv), a.Cmp(b.Number))
	})
}

func TestDigitsAddUpToTheNumber(t *testing.T) {
	proptest.Check(t, func(t *rapid.T) {
		text, value := numberText(t)
		w, err := place.Parse(text)
		require.NoError(t, err)
		sum := new(big.Rat)
		var written strings.Builder
		for _, d := range w.Digits() {
			sum.Add(sum, ratOf(d.Value))
			if d.Place == place.Tenths {
				written.WriteByte('.')
			}
			fmt.Fprint(&written, d.Digit)
		}
		assert.Zero(t, sum.Cmp(value))
		assert.Equal(t, text, written.String(), "the digits as they were written")

		expanded := new(big.Rat)
		for _, part := range strings.Split(w.Expanded(), " + ") {
			v, ok := new(big.Rat).SetString(part)
			require.True(t, ok)
			expanded.Add(expanded, v)
		}
		assert.Zero(t, expanded.Cmp(value))
		total, err := w.UnitForm().Total()
		require.NoError(t, err)
		assert.Equal(t, w.Number, total)
	})
}

func TestUnitFormsRoundTrip(t *testing.T) {
	proptest.Check(t, func(t *rapid.T) {
		form := place.FromCounts(func(p place.Place) int {
			if p > place.Thousands {
				return 0
			}
			return rapid.IntRange(0, 400).Draw(t, p.String())
		})
		back, err := place.ParseUnitForm(form.String())
		require.NoError(t, err)
		assert.Equal(t, form, back)
	})
}

// wordsByTable says a number from a table of its own: the tens and ones are
// spelled out one by one, not put together by the rule under test.
func wordsByTable(n int, and bool) string {
	if n == 0 {
		return "zero"
	}
	under100 := map[int]string{}
	teens := strings.Fields("ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen")
	ones := strings.Fields("- one two three four five six seven eight nine")
	tens := strings.Fields("- - twenty thirty forty fifty sixty seventy eighty ninety")
	for i := 1; i < 10; i++ {
		under100[i] = ones[i]
		under100[9+i] = teens[i-1]
	}
	under100[19] = teens[9]
	for t := 2; t < 10; t++ {
		under100[t*10] = tens[t]
		for o := 1; o < 10; o++ {
			under100[t*10+o] = tens[t] + "-" + ones[o]
		}
	}
	var parts []string
	for _, period := range []struct {
		size int
		name string
	}{{1_000_000, " million"}, {1000, " thousand"}, {1, ""}} {
		c := n / period.size % 1000
		if c == 0 {
			continue
		}
		var text string
		if c >= 100 {
			text = ones[c/100] + " hundred"
		}
		if c%100 > 0 {
			if text != "" || and && period.size == 1 && len(parts) > 0 {
				if and {
					text += " and"
				}
				text += " "
			}
			text += under100[c%100]
		}
		parts = append(parts, strings.TrimSpace(text)+period.name)
	}
	return strings.Join(parts, " ")
}

func TestWordsAgreeWithATable(t *testing.T) {
	for n := 0; n <= 9999; n++ {
		require.Equal(t, wordsByTable(n, false), place.Int(n).Words(false))
		require.Equal(t, wordsByTable(n, true), place.Int(n).Words(true))
	}
	proptest.Check(t, func(t *rapid.T) {
		n := rapid.IntRange(0, 9_999_999).Draw(t, "n")
		assert.Equal(t, wordsByTable(n, true), place.Int(n).Words(true))
	})
}

func TestRead(t *testing.T) {
	for _, c := range []struct{ in, expanded, form, words, and, placeWords string }{
		{"0", "0", "0 ones", "zero", "zero", "zero"},
		{"17", "10 + 7", "1 ten 7 ones", "seventeen", "seventeen", "ten seven"},
		{"42", "40 + 2", "4 tens 2 ones", "forty-two", "forty-two", "four ten two"},
		{"53", "50 + 3", "5 tens 3 ones", "fifty-three", "fifty-three", "five ten three"},
		{"312", "300 + 10 + 2", "3 hundreds 1 ten 2 ones", "three hundred twelve", "three hundred and twelve",
			"three hundred ten two"},
		{"4070", "4000 + 70", "4 thousands 7 tens", "four thousand seventy", "four thousand and seventy",
			"four thousand seven ten"},
		{"3.05", "3 + 0.05", "3 ones 5 hundredths", "three point zero five", "three point zero five",
			"three and five hundredths"},
		{"40.00", "40", "4 tens", "forty point zero zero", "forty point zero zero", "four ten"},
		{"0.5", "0.5", "5 tenths", "zero point five", "zero point five", "five tenths"},
		{"1000005", "1000000 + 5", "1 million 5 ones", "one million five", "one million and five", "one million five"},
	} {
		w, err := place.Parse(c.in)
		require.NoError(t, err)
		r := w.Read()
		assert.Equal(t, []string{c.in, c.expanded, c.form, c.words, c.and, c.placeWords},
			[]string{r.Numeral, r.Expanded, r.UnitForm, r.Words, r.WordsWithAnd, r.PlaceWords})
	}
}

func TestParseReadsWhatTeachersWrite(t *testing.T) {
	for in, want := range map[string]string{
		"4 002": "4002", "9,999,999.999": "9999999.999", "007": "7", " 146 ": "146", "1\u202f250": "1250", "0.50": "0.50",
	} {
		w, err := place.Parse(in)
		require.NoError(t, err, in)
		assert.Equal(t, want, w.String(), in)
	}
}

func TestParseRefusesWithAQuoteOfTheInput(t *testing.T) {
	for _, in := range []string{"", "abc", "1,46", "12 34 ", "1.2345", "10000000", "-3", "3.", ".5", "1e3", "1..2", "١٢",
		"1,,000"} {
		_, err := place.Parse(in)
		require.Error(t, err, in)
		if in != "" {
			assert.Contains(t, err.Error(), "“"+in+"”")
		}
	}
	for _, in := range []string{"14 tens 6 tens", "tens", "x ones", "3 dozens", "99999999 ones", "2 millions 9999999 ones",
		"-1 ones"} {
		_, err := place.ParseUnitForm(in)
		require.Error(t, err, in)
	}
	_, err := place.ParseAmount("14 tens 6 ones")
	require.NoError(t, err)
}

func TestPlacesByName(t *testing.T) {
	for p := place.Smallest; p <= place.Largest; p++ {
		for _, name := range []string{p.Singular(), p.Plural(), strings.ToUpper(p.Plural())} {
			got, err := place.ParsePlace(name)
			require.NoError(t, err)
			assert.Equal(t, p, got)
		}
	}
	got, err := place.ParsePlace("units")
	require.NoError(t, err)
	assert.Equal(t, place.Ones, got)
	assert.Equal(t, "1000000", place.Millions.Value().String())
	assert.Equal(t, "0.001", place.Thousandths.Value().String())
}

func FuzzParse(f *testing.F) {
	for _, s := range []string{"146", "3.05", "4 002", "14 tens 6 ones", "9,999,999.999"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, s string) {
		form, err := place.ParseAmount(s)
		if err != nil {
			return
		}
		_, err = form.Total()
		require.NoError(t, err)
	})
}

// The count of all builds is known in closed form: with tens alone n/10 + 1, and
// with hundreds the sum of those over what the hundreds leave.
func TestBuildsMissNoneAndRepeatNone(t *testing.T) {
	for n := range 301 {
		for _, top := range []place.Place{place.Ones, place.Tens, place.Hundreds} {
			list, count := place.Builds(n, top, 1<<20)
			want := 1
			switch top {
			case place.Tens:
				want = n/10 + 1
			case place.Hundreds:
				want = 0
				for left := n; left >= 0; left -= 100 {
					want += left/10 + 1
				}
			}
			require.Equal(t, want, count, "%d in %s", n, top)
			require.Len(t, list, want)
			seen := map[string]bool{}
			for i, form := range list {
				total, err := form.Total()
				require.NoError(t, err)
				require.Equal(t, place.Int(n), total)
				require.False(t, seen[form.String()])
				seen[form.String()] = true
				if i > 0 {
					require.Greater(t, form.Pieces(), 0)
				}
			}
			few, again := place.Builds(n, top, 50)
			require.Equal(t, count, again)
			require.Equal(t, list[:min(50, len(list))], few)
		}
	}
	list, count := place.Builds(9999, place.Thousands, 50)
	assert.Len(t, list, 50)
	assert.Positive(t, count)
}

// What a number is called is read again, whichever way a class says it.
func TestNamesOfNumbersAreReadInDigits(t *testing.T) {
	for n := range 10_000 {
		for _, and := range []bool{true, false} {
			words := place.Int(n).Words(and)
			require.Equal(t, strconv.Itoa(n), place.InDigits(words), words)
			require.Equal(t, strconv.Itoa(n), place.InDigits(strings.ReplaceAll(words, "-", " ")))
		}
	}
	for line, want := range map[string]string{
		"fifty-eight and six": "58 and 6", "one hundred and six plus two": "106 plus 2", "Seven times eight?": "7 times 8?",
		"ten, twenty, thirty": "10, 20, 30", "twenty and three": "20 and 3", "five tens": "5 tens", "5 and 6": "5 and 6",
		"two hundred and a ten": "200 and a 10", "hundred": "hundred", "one two three": "1 2 3", "zero five": "0 5",
		"a thousand thousand": "a thousand thousand", "five and twenty-zero": "5 and twenty-zero", "": "",
	} {
		assert.Equal(t, want, place.InDigits(line), line)
	}
}
