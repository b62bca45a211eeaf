package method_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/method"
)

// Problems of which something false, or of nothing, was once said: what is said of them now, and
// what is not.
func TestWhatWasSaidFalsely(t *testing.T) {
	for _, c := range []struct {
		is, method, typed string
		says, never       []string
	}{
		{"a fan of changes begins anew each time", "more-less", "305 +10 +10 +100, shape=fan",
			[]string{"What is 100 more than 305?", "405."}, []string{"425"}},
		{"a zero that is not written is not said to be", "column-subtract", "1000 - 1",
			[]string{"A 0 in front need not be written."}, []string{"We write 0 under the thousands"}},
		{"the same where a ten is gone", "column-subtract", "13 - 8", nil, []string{"We write 0 under the tens"}},
		{"what is large is opened first", "more-less", "1000 -1",
			[]string{"1 thousand is unbundled into ten hundreds. 1 hundred is unbundled into ten tens. " +
				"1 ten is unbundled into ten ones."}, []string{"next one too"}},
		{"tenths make a one", "column-add", "0.5 + 0.5",
			[]string{"How many more make ten tenths?", "Bundle them into a one.", "1 one: 1.0."},
			[]string{"make a ten.", "1 digit"}},
		{"thousandths make ones in the end", "column-add", "0.005 + 0.995", []string{"1.000"}, []string{"1 digit"}},
		{"what is equal opens to neither side", "compare", "5 5",
			[]string{"5 = 5: both are worth the same."}, []string{"To the larger", "next place", "open"}},
		{"a written zero stays", "compare", "3.50 3.5",
			[]string{"Here are 3.50 and 3.5", "No: 3.5 and 3.50 are worth the same."}, nil},
		{"and in columns", "column-subtract", "2.50 - 1.25", []string{"Build 2.50."}, nil},
		{"and in a number", "build", "40.00",
			[]string{"There are no tenths. This 0 was written, and need not be.", "forty point zero zero"},
			[]string{"4 tens: forty point zero zero zero"}},
		{"what is left over is not opened", "share", "3 ÷ 4",
			[]string{"No. We write 0 for the ones.", "3 are left over"}, []string{"We must"}},
		{"nor is nothing", "share", "0 ÷ 5", nil, []string{"We must", "unbundle"}},
		{"groups come first in a product", "share", "97 ÷ 4", []string{"4 × 24 + 1"}, []string{"24 × 4"}},
		{"nothing becomes nothing", "shift", "0 x 10",
			[]string{"Neither: 0 stays 0, however often."}, []string{"mm", "Every digit", "each is smaller"}},
		{"one euro is one", "shift", "100 ÷ 100, use=money", nil, []string{"1 euros", "0.1 cents"}},
		{"both kinds of zeros are told", "shift", "40.00 x 10",
			[]string{"Those at the end after the point: 40.00 is 40."}, nil},
		{"a larger sum is larger", "compare", "50 + 50 and 5 + 5",
			[]string{"50 + 50: both parts are more."}, []string{"or they are equal"}},
		{"equal parts are not apart", "compare", "7 + 5 and 7 + 5",
			[]string{"Neither: both have the same parts."}, []string{"0 apart"}},
		{"one part alone is more", "compare", "5 + 3 and 5 + 2",
			[]string{"5 + 3: one part is 1 more, and the other is the same."}, []string{"0 and 1 more"}},
		{"nothing that came changes nothing", "pattern", "5 + 0, 6 + 0",
			[]string{"None changed. Nothing came and nothing went."}, []string{"Only the"}},
		{"all that changed is told", "pattern", "12 + 34, 56 - 12",
			[]string{"All of them changed: the tens and ones."}, []string{"Only the"}},
		{"two places that changed are two", "pattern", "9 + 1, 19 + 1, 99 + 1",
			[]string{"The hundreds, tens and ones changed."}, []string{"the next place changed"}},
		{"a hundred is not a ten", "pattern", "105 - 10, 45 - 10",
			[]string{"In 105 − 10 a hundred was unbundled."}, []string{"a ten was"}},
		{"two are two", "pattern", "300 - 1, 500 - 1",
			[]string{"In each sentence a hundred and a ten were unbundled."}, nil},
		{"more is not less", "difference", "1000 999",
			[]string{"Less: 999 and 10 is already 1009."}, []string{"has less than"}},
		{"far from ten is not through ten", "subtract-facts", "9 - 4, way=think addition",
			[]string{"4 and how many more make 9?", "take the 4 away after all"}, []string{"Through ten", "came"}},
		{"what was compared was not taken", "subtract-facts", "9 - 4, way=difference", nil, []string{"What is left"}},
		{"no digit is left out", "build", "4070",
			[]string{"There are no hundreds.", "There are no ones. We write 0."}, nil},
		{"nor before the first that counts", "build", "0.05",
			[]string{"There are no ones.", "There are no tenths."}, []string{"that is where the first digit stands"}},
		{"ten rows of ten are seen as tens", "build", "100 on rack",
			[]string{"10 tens: that is 1 hundred."}, []string{"We begin with the hundreds", "Now the hundreds"}},
		{"alike pieces have no largest", "read", "rack 2: 6 8", []string{"14 ones are 1 ten 4 ones."},
			[]string{"The largest", "worth the most"}},
		{"nor have no pieces", "read", "blocks 0", []string{"There are no pieces here."}, []string{"largest"}},
		{"two tens are two", "teens", "20", []string{"Two tens: the ones have made another."}, []string{"it takes 1."}},
		{"a name is said once", "count", "0 100 3", []string{"100: one hundred."}, []string{", or one hundred"}},
		{"and of one", "count", "0 1 3", []string{"1: one."}, []string{"or one", "neighbours"}},
		{"ten sevens are known", "array", "10 x 7", []string{"10 groups of 7."}, []string{"5 × 7"}},
		{"six tens are known", "array", "6 x 10", nil, []string{"5 × 10", "3 × 10"}},
		{"a square is one row", "array", "1 x 1", nil, []string{"1 rows", "1 groups", "1 squares"}},
		{"one is left", "subtract-facts", "9 - 8", nil, []string{"1 are"}},
		{"one bulb", "bonds", "1", nil, []string{"1 bulbs", "1 counters", "1 are"}},
	} {
		t.Run(c.is, func(t *testing.T) {
			told := toldOf(t, request(t, c.method, c.typed))
			for _, s := range c.says {
				assert.Contains(t, told, s, "%s %s", c.method, c.typed)
			}
			for _, s := range c.never {
				assert.NotContains(t, told, s, "%s %s", c.method, c.typed)
			}
		})
	}
}

// A sign that a method does not work is sent where it is worked; what does not fit is told with the
// reason of its own model.
func TestSignsAreNotTakenForOthers(t *testing.T) {
	for _, c := range []struct{ method, typed, refused string }{
		{"turn", "7 - 2", "“Either way round” is for + or ×. For 7 - 2 take “Subtraction facts”."},
		{"add-facts", "8 - 5", "“Addition facts” is for +. For 8 - 5 take “Subtraction facts”."},
		{"add-facts", "8 x 5", "take “Rows and columns”"},
		{"subtract-facts", "14 + 6", "take “Column addition”"},
		{"column-subtract", "87 + 46", "take “Column addition”"},
		{"column-add", "146 - 87", "take “Column subtraction”"},
		{"array", "7 + 6", "take “Addition facts”"},
		{"share", "97 x 4", "take “Column multiplication”"},
		{"group", "14 + 4", "take “Column addition”"},
		{"difference", "9 + 3", "take “Addition facts”"},
		{"difference", "10000 1", "Use 0 to 9999."},
		{"pattern", "5 - 9, 6 - 9", "9 is more than 5. Take away no more than there is."},
	} {
		r, err := method.Typed(c.method, c.typed)
		if err == nil {
			_, err = method.Make(r)
		}
		require.Error(t, err, "%s %s", c.method, c.typed)
		assert.ErrorContains(t, err, c.refused)
	}
}
