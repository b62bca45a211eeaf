package method_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/say"
)

// What a teacher types comes to what she means, in the form in which she types it.
func TestALineComesToWhatItSays(t *testing.T) {
	for line, want := range map[string]struct{ as, title, total string }{
		"58 + 67":                 {"Column addition on base-ten blocks", "58 + 67", ""},
		"58+67=":                  {"Column addition on base-ten blocks", "58 + 67", ""},
		"1,000 - 1":               {"Column subtraction on base-ten blocks", "1000 − 1", ""},
		"402 ? 420":               {"Compare on place value discs", "402 and 420", ""},
		"402 < 420":               {"Compare on place value discs", "", ""},
		"7 + 5 ? 6 + 6":           {"", "7 + 5 and 6 + 6", ""},
		"58 + 67 on discs":        {"Column addition on place value discs", "58 + 67", ""},
		"402 - 167":               {"Column subtraction on base-ten blocks", "402 − 167", ""},
		"8 + 5":                   {"Addition facts on bead rack", "8 + 5", ""},
		"14 - 6":                  {"Subtraction facts on bead rack", "", ""},
		"1000000":                 {"Free board: place value discs", "", "1000000"},
		"97 ÷ 4":                  {"Share out on place value discs", "97 ÷ 4", ""},
		"7 x 6":                   {"Rows and columns on counters", "7 × 6", ""},
		"24 × 3":                  {"", "", ""},
		"? + 7 = 15":              {"", "", ""},
		"146":                     {"Free board: base-ten blocks", "146", "146"},
		"14 tens 6 ones":          {"Free board: base-ten blocks", "14 tens 6 ones", "146"},
		"3.05":                    {"Free board: place value discs", "3.05", "3.05"},
		"12":                      {"Free board: bead rack", "12", "12"},
		"8 and 6 on a rack":       {"Free board: bead rack", "8 and 6", "14"},
		"7 and 5":                 {"Free board: bead rack", "7 and 5", "12"},
		"7 and 5 on Ten Frames":   {"Free board: counters", "7 and 5", "12"},
		"42 on the bead rack":     {"Free board: bead rack", "42", "42"},
		"146 with blocks":         {"Free board: base-ten blocks", "146", "146"},
		"blocks 1h 4t 14o":        {"Free board: base-ten blocks", "", "154"},
		"rack 2: 6 8 | discs 4t":  {"Free board: bead rack", "", "14"},
		"2,500 in discs":          {"Free board: place value discs", "", "2500"},
		"rack":                    {"Free board: bead rack", "Bead rack", "0"},
		"a ten frame":             {"Free board: counters", "", "0"},
		"Discs":                   {"Free board: place value discs", "", "0"},
		"25000 on blocks":         {"Free board: base-ten blocks", "25000", "25000"},
		"25000":                   {"Free board: place value discs", "", "25000"},
		"blocks 231":              {"Free board: base-ten blocks", "231", "231"},
		"Ten frames 7 and 5":      {"Free board: counters", "7 and 5", "12"},
		"five on a ten frame":     {"Free board: counters", "five", "5"},
		"two hundred and six":     {"Free board: base-ten blocks", "two hundred and six", "206"},
		"six tens and four ones":  {"Free board: base-ten blocks", "", "64"},
		"how many tens in 146?":   {"Free board: base-ten blocks", "how many tens in 146?", "146"},
		"column-subtract 402 167": {"Column subtraction on base-ten blocks", "", ""},
	} {
		g, faults := method.Grant(line, nil, say.Vocabulary{})
		require.Empty(t, faults, line)
		require.NotEmpty(t, g.Scenes, line)
		if want.as != "" {
			assert.Equal(t, want.as, g.As.Label(say.Vocabulary{}), line)
		}
		if want.title != "" {
			assert.Equal(t, want.title, g.Title, line)
		}
		if want.total != "" {
			assert.Equal(t, want.total, board.Total(g.Scenes[0].Start.Models[0]).String(), line)
			assert.Empty(t, g.Scenes[0].Steps, line)
		}
	}
}

// A problem may be said in words, as a teacher says it.
func TestALineMayBeSaidInWords(t *testing.T) {
	for line, want := range map[string]string{
		"8 plus 5": "8 + 5", "58 add 67": "58 + 67", "add 58 and 67": "58 + 67", "add 5 to 8": "8 + 5",
		"3 more than 9": "9 + 3", "the sum of 8 and 5": "8 + 5", "double 7": "7 + 7",
		"63 minus 28": "63 − 28", "14 take away 6": "14 − 6", "take 6 from 14": "14 − 6", "5 less than 12": "12 − 5",
		"take away 28 from 63": "63 − 28", "3 fewer than 11": "11 − 3", "What is 8 plus 5?": "8 + 5", "8 plus 5 =": "8 + 5",
		"what is 97 ÷ 4?": "97 ÷ 4", "the difference between 28 and 63": "28 and 63",
		"how many more is 63 than 28": "63 and 28", "compare 408 and 480": "408 and 480",
		"7 times 6": "7 × 6", "3 lots of 5": "3 × 5", "3 rows of 5": "3 × 5", "4 groups of 6": "4 × 6",
		"7 sixes": "7 × 6", "5 twelves": "5 × 12", "126 multiplied by 4": "126 × 4", "multiply 24 by 3": "24 × 3",
		"97 divided by 4": "97 ÷ 4", "20 shared between 4": "20 ÷ 4", "share 97 by 4": "97 ÷ 4",
		"12 in groups of 3": "12 ÷ 3", "half of 26": "26 ÷ 2", "a quarter of 20": "20 ÷ 4", "1/2 of 8": "8 ÷ 2",
		"difference 28 and 63": "28 and 63", "1000 less 1": "1000 − 1", "which is larger, 408 or 480?": "408 and 480",
		"number bonds to 10": "10", "ways to make 8": "8", "count in 5s from 20": "20 in steps of 5", "partition 146": "146",
		"array 3 by 4": "3 × 4", "3 x 4 array": "3 × 4", "6 by 7": "6 × 7", "skip count by 5": "0 in steps of 5",
		"fifty-eight plus sixty-seven": "58 + 67", "half of twenty": "20 ÷ 2", "skip count by 3": "0 in steps of 3",
		"ten more than two hundred and six": "206 + 10", "seven times six": "7 × 6",
		"a tenth of 34": "34 ÷ 10", "8 PLUS 5 on counters": "8 + 5", "402 or 420": "402 and 420",
		"count in 5s to 50": "0 in steps of 5", "count from 95 to 105": "95 in steps of 1",
		"count in twos": "0 in steps of 2", "skip count in tens from 40": "40 in steps of 10",
		"count on from 37": "37 in steps of 1", "count 5s": "0 in steps of 5",
		"count up in hundreds from 250 to 950": "250 in steps of 100", "count to ten": "0 in steps of 1",
		"count back from 20": "20 back in steps of 1", "count from 20 to 10": "20 back in steps of 1",
		"count back in twos from 30 to 20": "30 back in steps of 2", "count down from ten": "10 back in steps of 1",
		"count backwards in 10s": "100 back in steps of 10", "count in 25s to 200": "0 in steps of 25",
		"14 is ten and 4": "10 + 4", "3 and 4 make 7": "3 + 4", "7 equals 3 + 4": "3 + 4",
		"7 times table": "0 in steps of 7", "the 5 times table": "0 in steps of 5", "seven times table": "0 in steps of 7",
		"from 13 take 5": "13 − 5", "find half of 18": "18 ÷ 2", "work out 24 x 3": "24 × 3", "4 bags of 6": "4 × 6",
		"find the difference between 28 and 63": "28 and 63", "show me 58 plus 67": "58 + 67",
		"which is bigger 3.5 or 3.45": "3.5 and 3.45", "is 99 more than 101?": "99 and 101",
	} {
		g, faults := method.Grant(line, nil, say.Vocabulary{})
		require.Empty(t, faults, line)
		require.NotNil(t, g.Scenes[0].Made, line)
		assert.Equal(t, want, g.Scenes[0].Made.Problem, line)
	}
	for _, line := range []string{"planting plus bulbs", "double trouble", "7 sixties", "half of the class", "take that"} {
		_, faults := method.Grant(line, nil, say.Vocabulary{})
		assert.Len(t, faults, 1, line)
	}
	for line, steps := range map[string]int{"count in 5s to 50": 10, "count from 95 to 105": 10, "count in twos": 10,
		"count from 20 to 10": 10, "count back from 7": 7, "count back in twos from 30 to 20": 5, "count back in 5s": 10,
		"count back in 3s from 10": 3, "count from 37 to 60 in tens": 2, "count from 8 to 38 in 3s": 10, "count up to 6": 6} {
		g, faults := method.Grant(line, nil, say.Vocabulary{})
		require.Empty(t, faults, line)
		rows := 0
		for _, s := range g.Scenes[0].Steps {
			for _, written := range s.Write {
				if written.Kind == "row" {
					rows++
				}
			}
		}
		assert.Equal(t, steps+1, rows, "%s: the start and each step has a row", line)
	}
	for line, want := range map[string]string{
		"round 47":                 "“round 47” is not read here.",
		"count back from 10 to 20": "“count back from 10 to 20” is not read here.",
		"count in 0s to 5":         "“count in 0s to 5” is not read here.", "count sheep": "“count sheep” is not read here.",
		"count to 100": "That is 100 steps, and at most 30 are counted here.",
		"-5 + 3":       "“-5” is below 0", "− 5": "“-5” is below 0",
		"3 and 4 is 8": "3 + 4 = 8 is not true.",
		// What would do is said, not what a method that nobody asked for wants.
		"9 - 3 + 2": "9 - 3 + 2 has several operations.", "25 × 4 × 2": "several operations", "(3 + 4) × 2": "several",
		"9 - 3 - 2": "several operations", "5 + 6 + 7 + 8 + 9": "two to four numbers",
		"1,5 + 2,5": "Decimals have a point here: 1.5 + 2.5.", "3,75 × 10": "Decimals have a point here: 3.75 × 10.",
	} {
		_, faults := method.Grant(line, nil, say.Vocabulary{})
		require.Len(t, faults, 1, line)
		assert.Contains(t, faults[0].Err.Error(), want, line)
	}
	comma := say.Vocabulary{Numbers: "4 002,5"}
	g, faults := method.Grant("3,7 plus 2,85", nil, comma)
	require.Empty(t, faults)
	assert.Equal(t, "3.7 + 2.85", g.Scenes[0].Made.Problem)
	// Three numbers that no method takes are three boards.
	g, faults = method.Grant("38, 74, 146", nil, say.Vocabulary{})
	require.Empty(t, faults)
	assert.Len(t, g.Scenes, 3)
}

// A number that was left out of an equality is the one that is to be found; two are none.
func TestAGapInAnEqualityIsFound(t *testing.T) {
	for line, want := range map[string]string{
		"8 + = 10": "8 + □ = 10", "10 = 7 +": "10 = 7 + □", "+ 5 = 12": "□ + 5 = 12", "12 - = 7": "12 − □ = 7",
		"15 = + 7": "15 = □ + 7", "4 x = 20": "4 × □ = 20", "20 = 4 x": "20 = 4 × □", "20 ÷ = 5": "20 ÷ □ = 5",
		"20 / = 5": "20 ÷ □ = 5", "8 + = 9 + 4": "8 + □ = 9 + 4",
		"7 + 5 = 6 +": "7 + 5 = 6 + □", "7 + 3 =": "7 + 3", "8 + 2 = 10": "8 + 2",
	} {
		g, faults := method.Grant(line, nil, say.Vocabulary{})
		require.Empty(t, faults, line)
		assert.Equal(t, want, g.Scenes[0].Made.Problem, line)
	}
	for _, line := range []string{"+ = 10", "8 + 2 = 5 + = 3", "9 - ? = 8 - 2", "- 5 = 3", "8 +", "= 7 + 3"} {
		_, faults := method.Grant(line, nil, say.Vocabulary{})
		assert.Len(t, faults, 1, line)
	}
}

// The same number again and again is so many groups of it too.
func TestARepeatedSumIsSoManyGroups(t *testing.T) {
	for line, want := range map[string]string{
		"5 + 5 + 5": "3 × 5", "12 + 12 + 12 + 12": "4 × 12", "5 + 5": "", "5 + 5 + 6": "",
	} {
		g, faults := method.Grant(line, nil, say.Vocabulary{})
		require.Empty(t, faults, line)
		var others []string
		for _, o := range g.Others {
			if made := o.Scenes[0].Made; made != nil && strings.Contains(made.Problem, "×") {
				others = append(others, made.Problem)
			}
		}
		if want == "" {
			assert.Empty(t, others, line)
			continue
		}
		require.NotEmpty(t, others, line)
		assert.Equal(t, want, others[0], line)
	}
}

// Each other way that is told can be had, and is another.
func TestEveryOtherWayCanBeHad(t *testing.T) {
	for _, line := range []string{
		"58 + 67", "146", "8 and 6", "14 − 6", "12 ÷ 4", "30 × 4", "3.7 + 2.85", "12", "5 + 5 + 5",
	} {
		g, faults := method.Grant(line, nil, say.Vocabulary{})
		require.Empty(t, faults, line)
		assert.NotEmpty(t, g.Others, line)
		seen := map[method.Wish]bool{g.As: true}
		for _, shown := range g.Others {
			way := shown.Wish
			assert.False(t, seen[way], "%s: %v stands twice", line, way)
			seen[way] = true
			other, faults := method.Grant(line, &way, say.Vocabulary{})
			require.Empty(t, faults, "%s as %v", line, way)
			assert.Equal(t, way, other.As, line)
			assert.NotEqual(t, way.Method == "", len(other.Scenes[0].Steps) > 0, "%s as %v", line, way)
		}
	}
}

// A board that is typed is the model of its example: there is no other to choose.
func TestABoardToReadTellsItsModel(t *testing.T) {
	build, err := method.Find("build") // shown with all kinds
	require.NoError(t, err)
	for _, notation := range []string{
		"blocks 1h 4t 6o", "rack 2: 6 8", "counters 2x5: 7", "discs 3o 5.h", "cubes 2T 5a4b 3", "rack 2:", "discs 0",
	} {
		own, _, _ := strings.Cut(notation, " ")
		g, faults := method.Grant(notation, &method.Wish{Method: "read", Model: own}, say.Vocabulary{})
		require.Empty(t, faults, notation)
		assert.Equal(t, method.Wish{Method: "read", Model: own}, g.As)
		assert.Equal(t, "A number in pieces", g.Title, "which tells nothing of what is read")
		typed, err := method.Typed("", notation)
		require.NoError(t, err)
		assert.Equal(t, "read", typed.Method, "what is typed as a board is to be read")
		free, faults := method.Grant(notation, nil, say.Vocabulary{})
		require.Empty(t, faults, notation)
		assert.Empty(t, free.As.Method, "%s is laid out first", notation)
		require.Len(t, free.Others, 1, notation)
		assert.Equal(t, g.As, free.Others[0].Wish)
		for _, model := range append(build.Kinds(), "") {
			e, err := method.Make(method.Request{Method: "read", Args: []string{notation}, Model: model})
			if model == own || model == "" {
				require.NoError(t, err, "%s with %q", notation, model)
				assert.Equal(t, own, e.Scene.Made.Model)
				continue
			}
			require.EqualError(t, err, fmt.Sprintf("“%s” tells its own model, which is not “%s”. Leave the model out.",
				notation, model))
		}
	}
}

// A list is a lesson of its lines, and every line that says nothing is told.
func TestAListIsUnderstoodLineByLine(t *testing.T) {
	g, faults := method.Grant("58 + 67; 46 + 38\n146 on discs", nil, say.Vocabulary{})
	require.Empty(t, faults)
	assert.Len(t, g.Scenes, 3)
	assert.Equal(t, "58 + 67 and 2 more", g.Title)
	_, faults = method.Grant("58 + 67\nhello\n46 + 38\n9 +", nil, say.Vocabulary{})
	require.Len(t, faults, 2)
	assert.Equal(t, []int{2, 4}, []int{faults[0].Line, faults[1].Line})
}

func TestALineThatSaysNothingIsToldWhatWouldDo(t *testing.T) {
	for line, want := range map[string]string{
		"":                            "Type what the class shall see",
		"150 on a rack":               "100 fit on the bead rack",
		"2.5 on counters":             "100 fit on the counters",
		"9 + 8 on a train of thought": "",
	} {
		_, faults := method.Grant(line, nil, say.Vocabulary{})
		require.Len(t, faults, 1, line)
		assert.Contains(t, faults[0].Err.Error(), want, line)
	}
}

// The class's numbers are read as it writes them, and its words go into what is made.
func TestALineIsReadInTheClassesNumbers(t *testing.T) {
	w := say.Vocabulary{Numbers: "4 002,5", Regroup: "exchange", Ones: "units"}
	g, faults := method.Grant("3,7 + 2,85", nil, w)
	require.Empty(t, faults)
	assert.Equal(t, "3,7 + 2,85", g.Title)
	var said []string
	for _, step := range g.Scenes[0].Steps {
		said = append(said, step.Say.Text(w), step.Answer.Text(w))
	}
	all := strings.Join(said, " ")
	assert.NotContains(t, all, "bundle")
	assert.Contains(t, all, "6,55")
}

// A lesson is sorted by what its examples work and its boards are good for, and found by what
// is said of it, however a sum is written.
func TestLessonsAreSortedAndFound(t *testing.T) {
	g, faults := method.Grant("402 - 167; 8 and 6 on a rack; 97 ÷ 4; 3.05", nil, say.Vocabulary{})
	require.Empty(t, faults)
	l := lesson.Lesson{Title: "Planting Day", Objective: "We share bulbs", Scenes: g.Scenes,
		Record: []lesson.Entry{{Text: "34 ÷ 100 = 0.34"}}}
	assert.Equal(t, []string{"counting", "place value", "subtraction", "division"}, method.TopicsOf(l))
	found := method.FoundBy(l)
	for _, text := range []string{"planting", "BULBS", "402 − 167", "402-167", "97 / 4", "97÷4", "34 ÷ 100", "14"} {
		assert.Contains(t, found, method.Sought(text), text)
	}
	assert.NotContains(t, found, method.Sought("402 + 167"))
	assert.Empty(t, method.TopicsOf(lesson.Lesson{Title: "Empty"}))
}

// A board that shows a typed number has no more than the number needs: on it pieces are large. Its
// title would tell a class the number, so that it has none.
func TestABoardFitsItsNumber(t *testing.T) {
	for line, want := range map[string]string{
		"3.4 on discs":     "discs 3o 4.t: ones tenths",
		"7 on discs":       "discs 7o: tens ones",
		"2500 on discs":    "discs 2th 5h: thousands hundreds tens ones",
		"14 tens on discs": "discs 14t: hundreds tens ones",
		"0.05 on discs":    "discs 5.h: ones tenths hundredths",
		"9 counters":       "counters 2x5: 9",
		"24 counters":      "counters 2x5 2x5 2x5: 24",
		"41 counters":      "counters 10x10: 41",
		"24 on a rack":     "rack 3: 10 10 4",
		"25000 on blocks":  "blocks 2tth 5th: ten thousands thousands hundreds tens ones",
	} {
		g, faults := method.Grant(line, nil, say.Vocabulary{})
		require.Empty(t, faults, line)
		b := g.Scenes[0].Start
		lies := board.Print(b)
		for _, z := range b.Lay(0).Zones {
			if z.Place != nil {
				lies += map[bool]string{true: " ", false: ": "}[strings.Contains(lies, ":")] + z.Label
			}
		}
		assert.Equal(t, want, lies, line)
		assert.Empty(t, g.Scenes[0].Title, line)
	}
}

// What is said in words is read wherever a problem is typed: in a list, and for a method.
func TestWordsAreReadWhereverAProblemIsTyped(t *testing.T) {
	r, err := method.ReadLine("compare 408 and 480", say.Vocabulary{})
	require.NoError(t, err)
	assert.Equal(t, method.Request{Method: "compare", Args: []string{"408", "480"}}, r)
	r, err = method.Typed("column-add", "46 plus 38")
	require.NoError(t, err)
	assert.Equal(t, method.Request{Method: "column-add", Args: []string{"46", "+", "38"}}, r)
	r, err = method.Typed("column-add", "forty-six + thirty-eight")
	require.NoError(t, err)
	assert.Equal(t, method.Request{Method: "column-add", Args: []string{"46", "+", "38"}}, r)
	r, err = method.ReadLine("share ninety-seven by four", say.Vocabulary{})
	require.NoError(t, err)
	assert.Equal(t, method.Request{Method: "share", Args: []string{"97", "÷", "4"}}, r)
}
