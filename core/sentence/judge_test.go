package sentence

import (
	"math/big"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"
)

// Values are written as the library would: of every size, either side of nothing.
func TestValuesAreWrittenExactly(t *testing.T) {
	for text, want := range map[string]string{
		"0": "0", "-1/2": "−0.5", "-3/2": "−1.5", "1/1000": "0.001", "40": "40", "12/10": "1.2", "1/3": "1 ÷ 3",
		"-2/3": "−2 ÷ 3", "100000000000000000000": "100000000000000000000",
		"99999999999999999999999/2": "49999999999999999999999.5",
	} {
		v, _ := new(big.Rat).SetString(text)
		assert.Equal(t, want, written(v), text)
	}
	rapid.Check(t, func(t *rapid.T) {
		top := rapid.Int64().Draw(t, "top")
		v := big.NewRat(top, rapid.SampledFrom([]int64{1, 2, 5, 8, 10, 1000}).Draw(t, "bottom"))
		v.Mul(v, big.NewRat(rapid.Int64Range(1, 1<<40).Draw(t, "times"), 1))
		want := v.FloatString(3)
		if strings.Contains(want, ".") {
			want = strings.TrimSuffix(strings.TrimRight(want, "0"), ".")
		}
		assert.Equal(t, strings.Replace(want, "-", "−", 1), written(v))
	})
}
