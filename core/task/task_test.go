package task_test

import (
	"encoding/json"
	"maps"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/place"
	"unitbloom/core/say"
	"unitbloom/core/task"
)

var plain = say.Vocabulary{}

func made(t *testing.T, kind string, options map[string]string, about ...string) task.Task {
	t.Helper()
	one, err := task.Make(task.Task{Kind: kind, About: about, Options: options})
	require.NoError(t, err, "%s %v %v", kind, about, options)
	return one
}

func marked(t *testing.T, one task.Task, a task.Answer) task.Verdict {
	t.Helper()
	v, err := task.Mark(one, a, plain)
	require.NoError(t, err, "%v %v", one, a)
	return v
}

// wrongs are the parts that are not right.
func wrongs(v task.Verdict) []string {
	var list []string
	for _, p := range v.Parts {
		if !p.Right {
			list = append(list, strings.TrimSpace(p.At+" "+p.What))
		}
	}
	return list
}

// many are tasks of all kinds, with each choice of each option on the sample.
func many(t *testing.T) []task.Task {
	var all []task.Task
	for _, spec := range task.Specs() {
		all = append(all, made(t, spec.Kind, nil, spec.Sample...))
		for _, o := range spec.Options {
			for _, choice := range o.Choices {
				one, err := task.Make(task.Task{Kind: spec.Kind, About: spec.Sample, Options: map[string]string{o.Name: choice}})
				if err == nil {
					all = append(all, one)
				}
			}
		}
	}
	for _, problem := range []string{"146 + 87", "3.7 + 2.85", "402 − 167", "4002 − 1567", "126 × 4", "97 ÷ 4", "816 ÷ 4",
		"8 ÷ 2",
		"99 + 1", "1.25 + 1.75", "5 + 3", "12 + 30 + 4"} {
		all = append(all, made(t, "column", nil, problem), made(t, "column", map[string]string{"numbers": "by the child"},
			problem))
	}
	for _, problem := range []string{"146 + 87", "402 − 167", "126 × 4", "8 + 5", "99 + 1", "30 − 10", "205 × 3"} {
		for _, last := range []string{"1", "2", "all"} {
			all = append(all, made(t, "steps", map[string]string{"last": last}, problem))
		}
	}
	for problem, method := range map[string]string{"8 + 5": "add-facts", "14 − 6": "subtract-facts",
		"5 + 5": "add-facts"} {
		for _, on := range []string{"rack", "counters", "cubes"} {
			if one, err := task.Make(task.Task{Kind: "steps", About: []string{problem},
				Options: map[string]string{"method": method, "on": on, "last": "all"}}); err == nil {
				all = append(all, one)
			}
		}
	}
	for _, shown := range []string{"rack 2: 6 8", "counters 2x5: 6 + 3", "counters 3", "counters 12", "cubes 5a4b",
		"rack 2: 10 0"} {
		all = append(all, made(t, "ways", nil, shown), made(t, "ways", map[string]string{"ways": "1"}, shown))
	}
	for _, n := range []string{"1", "7", "10", "20", "100", "101", "3.05", "4070"} {
		for _, on := range []string{"blocks", "discs"} {
			if one, err := task.Make(task.Task{Kind: "build", About: []string{n},
				Options: map[string]string{"on": on}}); err == nil {
				all = append(all, one)
			}
		}
	}
	for _, shown := range []string{"blocks 4t", "discs 3o 5.h", "rack 2: 6 8", "counters 2x5: 6 + 3", "cubes 2T 5a4b"} {
		all = append(all, made(t, "read", nil, shown),
			made(t, "read", map[string]string{"forms": "number, units, expanded, words"}, shown))
	}
	return all
}

func TestRightAnswersAreRightAndWrongOnesAreNot(t *testing.T) {
	for _, one := range many(t) {
		right, err := task.Right(one)
		require.NoError(t, err)
		wrong, err := task.Wrong(one)
		require.NoError(t, err)
		assert.GreaterOrEqual(t, len(wrong), 2, "%v", one)
		for _, a := range right {
			v := marked(t, one, a)
			assert.True(t, v.Right, "%v\n%v\n%v", one, a, v)
			assert.Empty(t, v.Hint+v.At)
			assert.Empty(t, v.Mistakes)
		}
		for _, a := range wrong {
			v := marked(t, one, a)
			assert.False(t, v.Right, "%v\n%v", one, a)
			assert.True(t, strings.HasSuffix(v.Hint, "?"), "%v: %q", one.Kind, v.Hint)
			assert.True(t, slices.ContainsFunc(v.Parts, func(p task.Part) bool { return p.At == v.At && !p.Right }),
				"the question is of a place that is not right yet: %v", v)
		}
	}
}

// A verdict never holds what would be right; nor does a face, where it is not there to be
// read, copied or counted.
func TestVerdictsTellNothing(t *testing.T) {
	for _, one := range many(t) {
		right, err := task.Right(one)
		require.NoError(t, err)
		wrong, err := task.Wrong(one)
		require.NoError(t, err)
		for _, a := range wrong {
			v := marked(t, one, a)
			said := []string{v.Hint}
			for _, s := range v.Mistakes {
				said = append(said, s.Ask)
			}
			for _, text := range said {
				for _, r := range right {
					for at, secret := range r {
						secret = strings.TrimSpace(secret)
						words := strings.FieldsFunc(text, func(r rune) bool { return strings.ContainsRune(" ,.?!:", r) })
						assert.NotContains(t, words, secret, "%v %s", one, at)
					}
				}
			}
		}
	}
}

func TestSamplesHaveThreeAnswersEach(t *testing.T) {
	for _, spec := range task.Specs() {
		one := made(t, spec.Kind, nil, spec.Sample...)
		right, err := task.Right(one)
		require.NoError(t, err)
		wrong, err := task.Wrong(one)
		require.NoError(t, err)
		assert.GreaterOrEqual(t, len(right), 3, spec.Kind)
		assert.GreaterOrEqual(t, len(wrong), 3, spec.Kind)
		for i, a := range right {
			for _, b := range right[:i] {
				assert.False(t, maps.Equal(a, b), "%s: %v twice", spec.Kind, a)
			}
		}
		assert.NotEmpty(t, spec.Doc)
		raw, err := json.Marshal(one)
		require.NoError(t, err)
		var again task.Task
		require.NoError(t, json.Unmarshal(raw, &again))
		assert.Equal(t, one, again)
	}
}

func TestBuild(t *testing.T) {
	for _, c := range []struct {
		options map[string]string
		number  string
		answer  task.Answer
		wrong   []string
		slips   []string
	}{
		{nil, "146", task.Answer{"board": "blocks 1h 4t 6o"}, nil, nil},
		{nil, "146", task.Answer{"board": "blocks 14t 6o"}, nil, nil},
		{nil, "146", task.Answer{"board": "blocks 146o"}, nil, nil},
		{nil, "146", task.Answer{"board": "discs 1h 4t 6o"}, []string{"board"}, nil},
		{nil, "146", task.Answer{"board": "blocks 1h 6t 4o"}, []string{"board"}, []string{"digits-swapped"}},
		{nil, "146", task.Answer{"board": "nonsense"}, []string{"board"}, nil},
		{nil, "146", task.Answer{}, []string{"board"}, nil},
		{map[string]string{"pieces": "fewest"}, "146", task.Answer{"board": "blocks 14t 6o"}, []string{"board fewest"}, nil},
		{map[string]string{"pieces": "tens and ones"}, "146", task.Answer{"board": "blocks 14t 6o"}, nil, nil},
		{map[string]string{"pieces": "tens and ones"}, "146", task.Answer{"board": "blocks 1h 4t 6o"},
			[]string{"board tens"}, nil},
		{map[string]string{"most": "11"}, "146", task.Answer{"board": "blocks 1h 3t 16o"}, []string{"board most"}, nil},
		{map[string]string{"ways": "2"}, "146", task.Answer{"way 1": "blocks 14t 6o", "way 2": "blocks 14t 6o"},
			[]string{"way 2 different"}, nil},
		{map[string]string{"ways": "2"}, "146", task.Answer{"way 1": "blocks 14t 6o", "way 2": "blocks 1h 4t 6o"}, nil, nil},
		{map[string]string{"on": "counters", "ways": "2"}, "7", task.Answer{"way 1": "counters 1x10: 4 + 3",
			"way 2": "counters 1x10: 5 + 2"}, nil, nil},
	} {
		v := marked(t, made(t, "build", c.options, c.number), c.answer)
		assert.Equal(t, c.wrong, wrongs(v), "%v %v", c.options, c.answer)
		assert.Equal(t, c.slips, slipsOf(v), "%v", c.answer)
	}
}

func slipsOf(v task.Verdict) []string {
	var ids []string
	for _, s := range v.Mistakes {
		ids = append(ids, s.ID)
	}
	return ids
}

func TestRead(t *testing.T) {
	all := map[string]string{"forms": "number, units, expanded, words"}
	right := task.Answer{"number": "146", "units": "1 hundred 4 tens 6 ones", "expanded": "100 + 40 + 6",
		"words": "one hundred and forty-six"}
	one := made(t, "read", all, "blocks 1h 3t 16o")
	with := func(at, text string) task.Answer {
		a := maps.Clone(right)
		a[at] = text
		return a
	}
	for _, a := range []task.Answer{right, with("units", "14 tens 6 ones"), with("units", "1 hundred 3 tens 16 ones"),
		with("expanded", "6 + 100 + 40"), with("words", "One hundred fourty six"),
		with("words", "one hunderd and forty-six")} {
		assert.True(t, marked(t, one, a).Right, "%v", a)
	}
	for at, texts := range map[string][]string{"number": {"164", "1316", "", "one hundred"},
		"units":    {"1 hundred 6 tens 4 ones", "146"},
		"expanded": {"100 + 46", "146", "100 + 40 + 3 + 3"}, "words": {"one hundred forty", "one hundred sixty-four",
			"ten hundred",
			"one hundred and fourteen six"}} {
		for _, text := range texts {
			assert.Equal(t, []string{at}, wrongs(marked(t, one, with(at, text))), "%s %q", at, text)
		}
	}
	assert.Equal(t, []string{"pieces-alike"}, slipsOf(marked(t, one, with("number", "20"))))

	face, err := task.FaceOf(made(t, "read", map[string]string{"look": "two seconds"}, "blocks 4t 6o"), plain)
	require.NoError(t, err)
	assert.True(t, face.Glimpse)

	// What is covered is not in the face.
	covered := made(t, "read", map[string]string{"cover": "tens"}, "blocks 4t 6o")
	face, err = task.FaceOf(covered, plain)
	require.NoError(t, err)
	assert.Equal(t, []task.Picture{{Board: "blocks 6o", Covered: "tens"}}, face.Boards)
	assert.Contains(t, face.Ask, "46")
	raw, err := json.Marshal(face)
	require.NoError(t, err)
	assert.NotContains(t, string(raw), "4t")
	assert.True(t, marked(t, covered, task.Answer{"number": "40"}).Right)
	assert.False(t, marked(t, covered, task.Answer{"number": "4"}).Right)
}

// Every number up to 999 is known by its words however they are joined, and no number by
// those of another.
func TestWordsAreKnown(t *testing.T) {
	for n := range 1000 {
		number := place.Int(n)
		b, err := board.Parse("discs 0")
		require.NoError(t, err)
		b, _, err = board.Apply(b, mustSpec(t, "discs").Acts.Build(number.String()))
		require.NoError(t, err)
		one := made(t, "read", map[string]string{"forms": "words"}, board.Print(b))
		for _, text := range []string{number.Words(true), number.Words(false),
			strings.ReplaceAll(number.Words(true), "-", "")} {
			if strings.Contains(number.Words(true), "-") && !strings.Contains(text, "-") && text != number.Words(false) {
				continue // two words written as one are no slip of spelling
			}
			assert.True(t, marked(t, one, task.Answer{"words": text}).Right, text)
		}
		other := place.Int((n*7 + 13) % 1000)
		if other != number {
			assert.False(t, marked(t, one, task.Answer{"words": other.Words(true)}).Right, "%s for %s", other.Words(true),
				number)
		}
	}
}

func mustSpec(t *testing.T, kind string) board.ModelSpec {
	t.Helper()
	spec, ok := board.SpecOf(kind)
	require.True(t, ok)
	return spec
}

func TestMatch(t *testing.T) {
	one := made(t, "match", nil, "blocks 4t 6o = 46", "blocks 3t 16o = 40 + 6", "blocks 6t 4o = sixty-four")
	face, err := task.FaceOf(one, plain)
	require.NoError(t, err)
	assert.Len(t, face.Bank, 5, "two are left over, so that crossing off does not solve the last")
	for _, b := range face.Bank {
		assert.NotEqual(t, "", b)
	}
	assert.True(t, marked(t, one, task.Answer{"1": "40+6", "2": "46", "3": "sixty-four"}).Right)
	assert.Equal(t, []string{"2"}, wrongs(marked(t, one, task.Answer{"1": "46", "2": "46", "3": "sixty-four"})),
		"it is there once")
	assert.Equal(t, []string{"3"}, wrongs(marked(t, one, task.Answer{"1": "46", "2": "40 + 6", "3": "64"})),
		"it is not in the bank")
	for about, refusal := range map[string]string{"blocks 4t 6o": "no label", "blocks 4t 6o = 64": "does not say 46",
		"blocks 4t | rack 1: 3 = 4": "one model"} {
		_, err := task.Make(task.Task{Kind: "match", About: []string{about, "blocks 2t = 20"}})
		assert.ErrorContains(t, err, refusal)
	}
}

func TestFill(t *testing.T) {
	for _, c := range []struct {
		about  string
		given  []string
		wrong  []string
		slips  []string
		answer string
	}{
		{"8 + □ = 9 + 4", []string{"5"}, nil, nil, "5"},
		{"8 + ? = 9 + 4", []string{"1"}, []string{"1"}, []string{"equals-then-answer/first"}, "5"},
		{"146 + 87 = □", []string{"123"}, []string{"1"}, []string{"new-one-lost"}, "233"},
		{"402 − 167 = □", []string{"365"}, []string{"1"}, []string{"smaller-from-larger"}, "235"},
		{"□ + □ = 10", []string{"3", "7"}, nil, nil, "1"},
		{"□ + □ = 10", []string{"3", "8"}, []string{"1", "2"}, nil, "1"},
		{"97 ÷ 4 = □ r □", []string{"24", "1"}, nil, nil, "24"},
		{"97 ÷ 4 = □ r □", []string{"23", "5"}, []string{"1", "2"}, nil, "24"},
		{"816 ÷ 4 = □ r □", []string{"204", "0"}, nil, nil, "204"},
		{"bond 9: 5 □", []string{"4"}, nil, nil, "4"},
		{"bond □: 5 4", []string{"9"}, nil, nil, "9"},
		{"bond 9: □ □", []string{"2", "7"}, nil, nil, "1"},
		{"chain 37 +10 □ +10 □ -3 □", []string{"47", "57", "54"}, nil, nil, "47"},
		{"chain 37 +10 □ +10 □ -3 □", []string{"47", "56", "53"}, []string{"2"}, nil, "47"},
		{"chain □ +10 47", []string{"36"}, []string{"1"}, nil, "37"},
		{"table number | tens | ones; 46 | □ | □", []string{"4", "6"}, nil, nil, "4"},
		{"table number | tens | ones; 46 | □ | □", []string{"3", "16"}, nil, nil, "4"},
		{"table number | tens | ones; 46 | □ | □", []string{"4", "7"}, []string{"2"}, nil, "4"},
		{"table number | tens | ones; □ | 3 | 17", []string{"47"}, nil, nil, "47"},
		{"table number | ones | tenths; 3.7 | □ | □", []string{"3", "7"}, nil, nil, "3"},
		{"table number | + 10 | - 1; 17 | □ | □; □ | 35 | 24", []string{"27", "16", "25"}, nil, nil, "27"},
		{"table number | + 10; 17 | □; 28 | □", []string{"27", "29"}, []string{"2"}, nil, "27"},
		{"3.05 × 10 = □", []string{"30.50"}, nil, nil, "30.5"},
	} {
		one := made(t, "fill", nil, c.about)
		a := task.Answer{}
		for i, text := range c.given {
			a[string(rune('1'+i))] = text
		}
		v := marked(t, one, a)
		assert.Equal(t, c.wrong, wrongs(v), "%s %v", c.about, c.given)
		assert.Equal(t, c.slips, slipsOf(v), "%s %v", c.about, c.given)
		right, err := task.Right(one)
		require.NoError(t, err)
		assert.Equal(t, c.answer, right[0]["1"], c.about)
	}
	for about, refusal := range map[string]string{"8 + 5 = 13": "no gap", "bond 9 5": "bond 9: 5 □",
		"chain 7 +10":   "chain 7",
		"table tens; 4": "table number", "□ + 9 = 4": "No number", "hello □": "hello"} {
		_, err := task.Make(task.Task{Kind: "fill", About: []string{about}})
		assert.ErrorContains(t, err, refusal, about)
	}
	bank := made(t, "fill", map[string]string{"from": "a bank"}, "8 + □ = 13", "bond 9: □ 2")
	face, err := task.FaceOf(bank, plain)
	require.NoError(t, err)
	assert.Len(t, face.Bank, 4)
	assert.Subset(t, face.Bank, []string{"5", "7"})
}

func TestColumn(t *testing.T) {
	digits := func(row string, list ...string) task.Answer {
		a := task.Answer{}
		for i, text := range list {
			a[row+" "+place.Place(len(list)-1-i).Plural()] = text
		}
		return a
	}
	for _, c := range []struct {
		problem string
		answer  task.Answer
		wrong   []string
		slips   []string
	}{
		{"146 + 87", digits("sum", "2", "3", "3"), nil, nil},
		{"146 + 87", digits("sum", "0", "2", "3", "3"), nil, nil},
		{"146 + 87", digits("sum", "1", "2", "3"), []string{"sum tens", "sum hundreds"}, []string{"new-one-lost"}},
		{"146 + 87", digits("sum", "1", "12", "13"), []string{"sum ones", "sum tens", "sum hundreds"},
			[]string{"two-digits-in-a-place"}},
		{"402 − 167", digits("sum", "3", "6", "5"), []string{"sum tens", "sum hundreds"}, []string{"smaller-from-larger"}},
		{"402 − 167", digits("sum", "2", "", "5"), []string{"sum tens"}, nil},
		{"99 + 1", digits("sum", "1", "0", "0"), nil, nil},
		{"99 + 1", digits("sum", "1", "", ""), []string{"sum ones", "sum tens"}, nil},
		{"816 ÷ 4", digits("quotient", "2", "0", "4"), nil, nil},
		{"816 ÷ 4", digits("quotient", "", "2", "4"), []string{"quotient hundreds", "quotient tens"},
			[]string{"zero-left-out/inside"}},
	} {
		v := marked(t, made(t, "column", nil, c.problem), c.answer)
		assert.Equal(t, c.wrong, wrongs(v), "%s %v", c.problem, c.answer)
		assert.Equal(t, c.slips, slipsOf(v), "%s %v", c.problem, c.answer)
	}
	left := digits("quotient", "2", "4")
	assert.Equal(t, []string{"remainder"}, wrongs(marked(t, made(t, "column", nil, "97 ÷ 4"), left)))
	left["remainder"] = "1"
	assert.True(t, marked(t, made(t, "column", nil, "97 ÷ 4"), left).Right)

	// A missing mark is not wrong, a wrong one is, and the small one alone is enough.
	one := made(t, "column", nil, "402 − 167")
	a := digits("sum", "2", "3", "5")
	for mark, right := range map[string]bool{"": true, "12": true, "1": true, "11": false} {
		a["mark ones"] = mark
		assert.Equal(t, right, marked(t, one, a).Right, mark)
	}
	// It is looked at first where the work begins: at the ones, and at the largest place of a quotient.
	assert.Equal(t, "sum ones", marked(t, one, digits("sum", "3", "4", "4")).At)
	assert.Equal(t, "quotient tens", marked(t, made(t, "column", nil, "97 ÷ 4"), digits("quotient", "3", "3")).At)
	// What is empty comes after what is wrong.
	assert.Equal(t, "sum tens", marked(t, one, digits("sum", "", "4", "")).At)
	assert.Equal(t, "sum ones", marked(t, one, digits("sum", "2", "3", "")).At)
	// The numbers may be the child's to align.
	a = digits("sum", "5", "5")
	a["addend 1 tens"], a["addend 1 ones"], a["addend 2 tens"], a["addend 2 ones"] = "5", "", "", "5"
	assert.Equal(t, []string{"addend 1 ones"}, wrongs(marked(t,
		made(t, "column", map[string]string{"numbers": "by the child"}, "50 + 5"), a)))
}

// The point stands in lines that go on behind it, as the class writes it, and in no whole number:
// 12.6 × 4 is not × 4., and no mark has one.
func TestThePointOfAColumn(t *testing.T) {
	f, err := task.FaceOf(made(t, "column", nil, "12.6 × 4"), say.Vocabulary{Numbers: "4 002,5"})
	require.NoError(t, err)
	points := map[string]string{}
	for _, line := range f.Lines {
		for _, c := range line.Cells {
			points[line.Kind] += c.Point
		}
	}
	assert.Equal(t, map[string]string{"mark": "", "addend 1": ",", "addend 2": "", "sum": ","}, points)
}

func TestTurns(t *testing.T) {
	one := made(t, "turns", nil, "1", "2", "six")
	turn := func(thrown, number, drawn, units, expanded string) task.Answer {
		return task.Answer{"turn 1 thrown": thrown, "turn 1 number": number, "turn 1 board": drawn, "turn 1 units": units,
			"turn 1 expanded": expanded}
	}
	assert.True(t, marked(t, one, turn("3 5", "53", "blocks 5t 3o", "5 tens 3 ones", "50 + 3")).Right)
	assert.True(t, marked(t, one, turn("3 5", "35", "blocks 3t 5o", "3 tens 5 ones", "30 + 5")).Right)
	assert.Equal(t, []string{"turn 1 units"}, wrongs(marked(t, one,
		turn("3 5", "35", "blocks 3t 5o", "5 tens 3 ones", "30 + 5"))),
		"it is of another number than was made")
	assert.Equal(t, []string{"turn 1 number digits"}, wrongs(marked(t, one,
		turn("3 5", "36", "blocks 3t 5o", "3 tens 5 ones", "30 + 5"))))
	assert.Contains(t, wrongs(marked(t, one, turn("7 5", "75", "blocks 7t 5o", "7 tens 5 ones", "70 + 5"))),
		"turn 1 thrown thrown",
		"no die has seven")
	given := made(t, "turns", map[string]string{"thrown": "already", "seed": "4"}, "3", "3", "cards")
	face, err := task.FaceOf(given, plain)
	require.NoError(t, err)
	assert.Len(t, face.Blanks, 12)
	assert.Equal(t, "Choose a place for each digit.", face.Ask, "nothing is thrown again")
	assert.Equal(t, "Hundreds, tens and ones", face.Lines[0].Cells[4].Text)
	v := marked(t, one, turn("3 5", "35", "blocks 5t 3o", "3 tens 5 ones", ""))
	assert.Equal(t, []string{"turn 1 board", "Does your board show your number?"}, []string{v.At, v.Hint})
	laid, lays := task.Start(given)
	require.True(t, lays)
	assert.Equal(t, "blocks 0", board.Print(laid))
	assert.Contains(t, mustJSON(t, laid), "hundreds", "three digits have three places from the start")
	rights, err := task.Right(given)
	require.NoError(t, err)
	for _, right := range rights {
		assert.True(t, marked(t, given, right).Right, "%v", right)
	}
	other := made(t, "turns", map[string]string{"thrown": "already", "seed": "5"}, "3", "3", "cards")
	others, err := task.FaceOf(other, plain)
	require.NoError(t, err)
	assert.NotEqual(t, mustJSON(t, face.Lines), mustJSON(t, others.Lines), "each child may have her own")
	lines, err := task.Lines(one, turn("3 5", "53", "blocks 4t 13o", "5 tens 3 ones", "50 + 3"), plain)
	require.NoError(t, err)
	assert.Equal(t, []string{"3 5: 53 · 5 tens 3 ones · 50 + 3"}, lines)
	lines, err = task.Lines(given, task.Answer{"turn 2 number": "40"}, plain)
	require.NoError(t, err)
	assert.Len(t, lines, 1, "turns that were not taken are not told")
	assert.Contains(t, lines[0], ": 40")
}

func TestTasksAreRefusedInSentences(t *testing.T) {
	for _, c := range []struct {
		one  task.Task
		want string
	}{
		{task.Task{Kind: "dance", About: []string{"1"}}, "There is no task called dance. Tasks are build, count, read, " +
			"match, fill, quick, column, steps, ways, choose, own, turns, explain."},
		{task.Task{Kind: "build"}, "Say what the task is about"},
		{task.Task{Kind: "build", About: []string{"twelve"}}, "twelve"},
		{task.Task{Kind: "build", About: []string{"120"}, Options: map[string]string{"on": "rack"}}, "100"},
		{task.Task{Kind: "build", About: []string{"3"}, Options: map[string]string{"pieces": "fewest", "ways": "3"}},
			"cannot be shown in 3"},
		{task.Task{Kind: "build", About: []string{"3"}, Options: map[string]string{"colour": "red"}}, "colour"},
		{task.Task{Kind: "read", About: []string{"blocks 4t"}, Options: map[string]string{"cover": "ones"}}, "no ones"},
		{task.Task{Kind: "read", About: []string{"blocks 4t"}, Options: map[string]string{"forms": "songs"}}, "songs"},
		{task.Task{Kind: "column", About: []string{"146"}}, ""},
		{task.Task{Kind: "turns", About: []string{"3", "2", "planks"}}, "planks"},
		{task.Task{Kind: "turns", About: []string{"99", "2", "six"}}, "1 to 10 turns"},
	} {
		_, err := task.Make(c.one)
		assert.ErrorContains(t, err, c.want, "%v", c.one)
	}
	_, err := task.Mark(made(t, "build", nil, "146"), task.Answer{"board 2": "x"}, plain)
	assert.ErrorContains(t, err, "nothing called board 2 to fill in. There are board.")
}

// A class's own numbers and words go in and come out.
func TestTasksFollowTheClass(t *testing.T) {
	w := say.Vocabulary{Numbers: "4 002,5", Ones: "units"}
	one := made(t, "fill", nil, "3500.5 + □ = 4000")
	face, err := task.FaceOf(one, w)
	require.NoError(t, err)
	assert.Equal(t, "3\u00a0500,5 + ", face.Lines[0].Cells[0].Text)
	v, err := task.Mark(one, task.Answer{"1": "499,5"}, w)
	require.NoError(t, err)
	assert.True(t, v.Right)
	turn, err := task.FaceOf(made(t, "turns", nil, "1", "2", "six"), w)
	require.NoError(t, err)
	assert.Contains(t, mustJSON(t, turn), "Tens and units")
}

func mustJSON(t *testing.T, v any) string {
	t.Helper()
	raw, err := json.Marshal(v)
	require.NoError(t, err)
	return string(raw)
}

// Every method's sample gives children something to do, and its answer stands in no face.
func TestScenesGiveTasks(t *testing.T) {
	kinds := []string{}
	for _, s := range task.Specs() {
		kinds = append(kinds, s.Kind)
	}
	none := []string{}
	for _, spec := range method.Specs() {
		e, err := method.Make(method.Request{Method: spec.ID, Args: spec.Sample})
		require.NoError(t, err)
		tasks := task.FromScene(e.Scene, kinds)
		if len(tasks) == 0 {
			none = append(none, spec.ID)
		}
		for _, one := range tasks {
			right, err := task.Right(one)
			require.NoError(t, err)
			assert.True(t, marked(t, one, right[0]).Right, "%v", one)
		}
	}
	slices.Sort(none)
	assert.Equal(t, []string{"compare"}, none)
	for id, want := range map[string][]string{"count": {"chain 37 +10 □ +10 □ +10 □ +10 □ +10 □"},
		"more-less": {"chain 296 +10 □ +10 □ −100 □"}, "difference": {"63 − 28 = □"}, "bonds": {"bond 6: □ □"},
		"snap": {"bond 9: 5 □"}, "share": {"97 ÷ 4 = □ r □"}, "pattern": {"14 − 10 = □", "23 − 10 = □", "35 − 10 = □"},
		"build": {"table number | hundreds | tens | ones; 146 | □ | □ | □"}} {
		spec, err := method.Find(id)
		require.NoError(t, err)
		e, err := method.Make(method.Request{Method: id, Args: spec.Sample})
		require.NoError(t, err)
		tasks := task.FromScene(e.Scene, []string{"fill"})
		require.Len(t, tasks, 1, id)
		assert.Equal(t, want, tasks[0].About, id)
	}
	back, err := method.Make(method.Request{Method: "count", Args: []string{"53", "-10", "3"}})
	require.NoError(t, err)
	assert.Equal(t, []string{"chain 53 −10 □ −10 □ −10 □"}, task.FromScene(back.Scene, []string{"fill"})[0].About)
	balance, err := method.Make(method.Request{Method: "unknown", Args: []string{"8 + ? = 9 + 4"}})
	require.NoError(t, err)
	both := task.FromScene(balance.Scene, []string{"fill"})[0]
	assert.Equal(t, []string{"8 + □ = 9 + 4"}, both.About)
	right, err := task.Right(both)
	require.NoError(t, err)
	assert.True(t, marked(t, both, right[0]).Right)
	scenes := []lesson.Scene{}
	for _, shown := range []string{"blocks 4t 6o", "blocks 6t 4o", "blocks 4h 6o"} {
		b, err := board.Parse(shown)
		require.NoError(t, err)
		scenes = append(scenes, lesson.Scene{Start: b})
	}
	matched, ok := task.MatchScenes(scenes)
	require.True(t, ok)
	assert.Len(t, matched.About, 3)
	_, ok = task.MatchScenes(scenes[:1])
	assert.False(t, ok)
}

// A device may have a task and mark it where its face says as much: no text of it is a right answer.
func TestAnOpenTaskHoldsNoKey(t *testing.T) {
	kept := map[string]bool{}
	for _, one := range many(t) {
		if !task.IsOpen(one) {
			kept[one.Kind] = true
			continue
		}
		right, err := task.Right(one)
		require.NoError(t, err)
		face, err := task.FaceOf(one, plain)
		require.NoError(t, err)
		raw, err := json.Marshal(face)
		require.NoError(t, err)
		for _, text := range one.About {
			for at, secret := range right[0] {
				if len(secret) > 1 && strings.Contains(text, strings.TrimSpace(secret)) {
					assert.Contains(t, string(raw), strings.TrimSpace(secret), "%v: %s is in the task and not in its face", one, at)
				}
			}
		}
	}
	assert.Equal(t, map[string]bool{"match": true, "explain": true, "read": true}, kept,
		"what is covered is kept")
}

// Where more than one number fits, any of them is right.
func TestAGapMayBeFilledByMoreThanOneNumber(t *testing.T) {
	for about, numbers := range map[string]map[string]bool{
		"8 + □ < 12":    {"0": true, "3": true, "4": false},
		"□ > 100":       {"101": true, "100": false},
		"350 + □ > 900": {"551": true, "550": false},
	} {
		made, err := task.Make(task.Task{Kind: "fill", About: []string{about}})
		require.NoError(t, err, about)
		for text, right := range numbers {
			v, err := task.Mark(made, task.Answer{"1": text}, say.Vocabulary{})
			require.NoError(t, err)
			require.Equal(t, right, v.Right, "%s with %s", about, text)
		}
	}
	_, err := task.Make(task.Task{Kind: "fill", About: []string{"5 − □ > 9"}})
	require.EqualError(t, err, "No number fills these gaps.")
}

// One thing is not several, and a rack is one thing.
func TestWhatIsAskedForIsNamedRight(t *testing.T) {
	for want, made := range map[string]task.Task{
		"Put out just one of the counters.": {Kind: "count", About: []string{"1"}},
		"Count out 2 counters.":             {Kind: "count", About: []string{"2"}},
		"Show 14 with the bead rack.":       {Kind: "build", About: []string{"14"}, Options: map[string]string{"on": "rack"}},
		"Show 14 with base-ten blocks.":     {Kind: "build", About: []string{"14"}},
	} {
		face, err := task.FaceOf(made, say.Vocabulary{})
		require.NoError(t, err)
		require.Equal(t, want, face.Ask)
	}
}

// A point is offered where parts of one come in, and only there: in the class's own words and numbers too.
func TestAPointIsOfferedWherePartsOfOneComeIn(t *testing.T) {
	ones := say.Vocabulary{Numbers: "4,002.5", Columns: "bulbs, bags, trays, crates"}
	for _, c := range []struct {
		kind  string
		about []string
		want  bool
	}{
		{"read", []string{"discs 3o 5.h"}, true},
		{"read", []string{"discs 2h 3t 3o"}, false},
		{"read", []string{"blocks 4th 2o"}, false},
		{"fill", []string{"3.4 + □ = 5"}, true},
		{"fill", []string{"4002 − □ = 1567"}, false},
		{"fill", []string{"34 ÷ 10 = □"}, true},
		{"fill", []string{"34 / 10 = □"}, true},
		{"fill", []string{"34 : 100 = □"}, true},
		{"fill", []string{"34/10 = □"}, true},
		{"fill", []string{"34x10=□"}, true},
		{"fill", []string{"34x100 = □"}, true},
		{"fill", []string{"□ ÷ 10 = 34"}, true},
		{"read", []string{"rack 2: 10 8"}, false},
		{"fill", []string{"3 * 10 = □"}, true},
		{"fill", []string{"chain 34 ×10 □ ÷10 □"}, true},
		{"fill", []string{"34 × 104 = □"}, false},
		{"fill", []string{"34 × 2 = □"}, false},
		{"column", []string{"402 − 167"}, false},
		{"column", []string{"3.7 + 2.85"}, true},
	} {
		face, err := task.FaceOf(task.Task{Kind: c.kind, About: c.about}, ones)
		require.NoError(t, err, c.about)
		require.Equal(t, c.want, face.Pointed, c.about)
	}
}
