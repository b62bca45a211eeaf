package sentence_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"unitbloom/core/say"
	"unitbloom/core/sentence"
)

// lit writes a line with what stayed in [ ] and what changed in { }.
func lit(parts []sentence.Part) string {
	var b strings.Builder
	for _, p := range parts {
		switch p.Mark {
		case "stayed":
			b.WriteString("[" + p.Text + "]")
		case "changed":
			b.WriteString("{" + p.Text + "}")
		default:
			b.WriteString(p.Text)
		}
	}
	return b.String()
}

func TestWhatStayedAndWhatChanged(t *testing.T) {
	for _, c := range []struct{ lines, lit, says string }{
		{"46 − 10 = 36; 36 − 10 = 26; 26 − 10 = 16", "{4}[6] − [10] = {3}[6]; {3}[6] − [10] = {2}[6]; {2}[6] − [10] = {1}[6]",
			"The ones stayed. The tens went down by 1."},
		{"296 + 10 = 306; 306 + 10 = 316", "{29}[6] + [10] = [3]{0}[6]; {30}[6] + [10] = [3]{1}[6]",
			"The hundreds stayed. The ones stayed. The tens went up by 1."},
		{"34 ÷ 10 = 3.4; 34 ÷ 100 = 0.34", "[34] ÷ {10} = {3}.{4}; [34] ÷ {100} = {0}.{34}",
			"Each digit went 1 place down."},
		{"3.05 × 10 = 30.5; 3.05 × 1000 = 3050", "[3.05] × {10} = {30}.{5}; [3.05] × {1000} = {3050}",
			"Each digit went 2 places up."},
		{"3 + 4 = 7; 3 + 4 = 7", "[3] + [4] = [7]; [3] + [4] = [7]", "Everything stayed."},
		{"3 + 4 = 7; 9", "3 + 4 = {7}; {9}", "The ones went up by 2."},
		{"46 − 10 = 36; 36 − 10 = ?; 26 − 10 = 16", "{4}[6] − [10] = {3}[6]; {3}[6] − [10] = ?; {2}[6] − [10] = {1}[6]",
			"The ones stayed. The tens went down by 2."},
		{"97; 107; 117", "{9}[7]; {10}[7]; {11}[7]", "The ones stayed. The hundreds changed. The tens changed."},
	} {
		got, err := sentence.Stayed(strings.Split(c.lines, "; "))
		require.NoError(t, err, c.lines)
		var lines, said []string
		for _, line := range got.Lines {
			lines = append(lines, lit(line))
		}
		for _, m := range got.Said {
			said = append(said, m.Text(say.Vocabulary{}))
		}
		shown := strings.NewReplacer("[3.05]", "[3].[05]").Replace(c.lit)
		assert.Equal(t, shown, strings.Join(lines, "; "))
		assert.Equal(t, c.says, strings.Join(said, " "), c.lines)
	}
	_, err := sentence.Stayed([]string{"3 = 3"})
	assert.EqualError(t, err, "Choose two lines or more.")
	_, err = sentence.Stayed([]string{"3 = 3", "ten"})
	assert.EqualError(t, err, `There is no number in “ten”.`)
}

// Marked or not, the lines are what they were; a digit stayed where it is the same in all.
func TestMarkedLinesAreTheLines(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		lines := rapid.SliceOfN(rapid.StringMatching(`[1-9][0-9]{0,4} [+−] [1-9][0-9]?(\.[0-9]{1,2})? = [1-9][0-9]{0,5}`), 2,
			5).
			Draw(t, "lines")
		got, err := sentence.Stayed(lines)
		require.NoError(t, err)
		for i, parts := range got.Lines {
			var whole strings.Builder
			for _, p := range parts {
				whole.WriteString(p.Text)
			}
			assert.Equal(t, lines[i], whole.String())
		}
		same, err := sentence.Stayed([]string{lines[0], lines[0]})
		require.NoError(t, err)
		assert.NotContains(t, lit(same.Lines[0]), "{")
	})
}
