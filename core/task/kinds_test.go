package task_test

import (
	"cmp"
	"fmt"
	"maps"
	"math/rand/v2"
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/say"
	"unitbloom/core/task"
)

// Quick facts are right as plain arithmetic has them, each once, and others for another seed.
func TestQuickFactsAgreeWithArithmetic(t *testing.T) {
	for _, facts := range []string{"within 10", "within 20", "doubles", "bonds of 10", "tables of 2, 5 and 10", "tables"} {
		sets := map[string]bool{}
		for seed := range 40 {
			one := made(t, "quick", map[string]string{"count": "10", "seed": strconv.Itoa(seed)}, facts)
			face, err := task.FaceOf(one, say.Vocabulary{})
			require.NoError(t, err)
			right := answers(t, one)
			seen := map[string]bool{}
			for i, line := range face.Lines {
				id := strconv.Itoa(i + 1)
				text := ""
				for _, c := range line.Cells {
					if text += c.Text; c.Blank != "" {
						text += right[id]
					}
				}
				var a, b, sum int
				var sign, equals string
				_, err := fmt.Sscan(text, &a, &sign, &b, &equals, &sum)
				require.NoError(t, err, text)
				got := map[string]int{"+": a + b, "−": a - b, "×": a * b, "÷": 0}[sign]
				if sign == "÷" {
					require.Zero(t, a%b, text)
					got = a / b
				}
				assert.Equal(t, sum, got, text)
				assert.False(t, seen[text], "%s twice", text)
				seen[text] = true
			}
			assert.Len(t, face.Lines, 10)
			sets[fmt.Sprint(slices.Sorted(maps.Keys(seen)))] = true
		}
		if facts != "doubles" {
			assert.Greater(t, len(sets), 5, facts)
		}
	}
}

func answers(t *testing.T, one task.Task) task.Answer {
	t.Helper()
	right, err := task.Right(one)
	require.NoError(t, err)
	return right[0]
}

// Each wrong choice is what a known mistake gives, as far as mistakes are known; one is right.
func TestChoicesAreMistakes(t *testing.T) {
	for problem, want := range map[string][]string{
		"402 − 167": {"235", "365", "345", "245"},
		"146 + 87":  {"233", "123", "11213"},
		"465 − 23":  {"442", "235"},
	} {
		one := made(t, "choose", nil, problem)
		face, err := task.FaceOf(one, say.Vocabulary{})
		require.NoError(t, err)
		assert.Len(t, face.Bank, 4)
		assert.Len(t, slices.Compact(slices.Sorted(slices.Values(face.Bank))), 4)
		for _, answer := range want {
			assert.Contains(t, face.Bank, answer, problem)
		}
		n := 0
		for _, answer := range face.Bank {
			v := marked(t, one, task.Answer{"choice": answer})
			if v.Right {
				n++
				continue
			}
			if slices.Contains(want, answer) {
				assert.NotEmpty(t, v.Mistakes, "%s → %s", problem, answer)
			}
		}
		assert.Equal(t, 1, n, problem)
	}
	// The right one does not stand in the same place for every seed.
	at := map[int]bool{}
	for seed := range 12 {
		one := made(t, "choose", map[string]string{"seed": strconv.Itoa(seed)}, "402 − 167")
		face, _ := task.FaceOf(one, say.Vocabulary{})
		at[slices.Index(face.Bank, "235")] = true
	}
	assert.Len(t, at, 4)
}

func TestCount(t *testing.T) {
	one := made(t, "count", nil, "14")
	face, err := task.FaceOf(one, say.Vocabulary{})
	require.NoError(t, err)
	assert.Equal(t, "Count out 14 counters.", face.Ask)
	start, lays := task.Start(one)
	assert.True(t, lays)
	assert.Equal(t, "counters 0", board.Print(start), "no frame counts for her")
	for board, right := range map[string]bool{
		"counters 2x5 2x5: 14": true, "counters 14": true, "counters 2x5 2x5: 13": false, "cubes 14": false, "": false,
	} {
		assert.Equal(t, right, marked(t, one, task.Answer{"board": board}).Right, board)
	}
	for _, about := range []string{"0", "2.5", "31", "-3", "many"} {
		_, err := task.Make(task.Task{Kind: "count", About: []string{about}})
		assert.Error(t, err, about)
	}
}

// A child begins as the question asks.
func TestAnExplanationBeginsAsTheQuestionAsks(t *testing.T) {
	for ask, want := range map[string]string{
		"Why do we unbundle a ten?":                  "Because …",
		"How do you know that there are no more?":    "I know because …",
		"What is the same about 40 + 6 and 30 + 16?": "In my words",
	} {
		face, err := task.FaceOf(made(t, "explain", nil, ask), say.Vocabulary{})
		require.NoError(t, err)
		assert.Equal(t, want, face.Blanks[0].Label, ask)
	}
}

// The numbers of a sum are seen apart, whichever lies first; and of nothing else.
func TestASumInTwoColours(t *testing.T) {
	one := made(t, "own", nil, "sum, two colours, at most 10, on counters")
	face, err := task.FaceOf(one, say.Vocabulary{})
	require.NoError(t, err)
	assert.Equal(t, "Make a sum of your own. No number may be more than 10. "+
		"Show it with counters, each number in its own colour.", face.Ask)
	for board, right := range map[string]bool{
		"counters 5 + 2": true, "counters 2 + 5": true, "counters 2x5: 5 + 2": true,
		"counters 7": false, "counters 4 + 3": false, "counters 5 + 3": false, "cubes 5a2b": false,
	} {
		v := marked(t, one, task.Answer{"sentence": "5 + 2 = 7", "board": board})
		assert.Equal(t, right, v.Right, board)
	}
	v := marked(t, one, task.Answer{"sentence": "5 + 2 = 7", "board": "counters 7"})
	assert.Equal(t, "Is each of your numbers in its own colour?", v.Hint)
	for _, about := range []string{"difference, two colours, on counters", "sum, two colours",
		"sum, two colours, on blocks"} {
		_, err := task.Make(task.Task{Kind: "own", About: []string{about}})
		assert.Error(t, err, about)
	}
}

// It may be shown on the board where words are hard: either is enough to be read.
func TestWhatIsExplainedMayBeShown(t *testing.T) {
	one := made(t, "explain", map[string]string{"told": "on the board too"}, "Why is it more than 30? | blocks 3t 4o")
	face, err := task.FaceOf(one, say.Vocabulary{})
	require.NoError(t, err)
	assert.Equal(t, "Why is it more than 30? Write, or show it.", face.Ask)
	start, lays := task.Start(one)
	require.True(t, lays)
	assert.Equal(t, "blocks 3t 4o", board.Print(start))
	for _, a := range []task.Answer{{"why": "30 is 3 tens"}, {"board": "blocks 2t 14o"},
		{"why": "told", "board": "blocks 34"}} {
		assert.True(t, marked(t, one, a).Right, "%v", a)
	}
	for _, a := range []task.Answer{{}, {"board": "a drawing"}, {"why": "12"}} {
		assert.False(t, marked(t, one, a).Right, "%v", a)
	}
	_, lays = task.Start(made(t, "explain", nil, "Why is it more than 30? | blocks 3t 4o"))
	assert.False(t, lays, "in words alone it is there to look at")
	scenes := []lesson.Scene{{ID: "a", Start: start}}
	list, err := task.Sheet(scenes, task.Wanted{Kinds: []string{"explain"}, Question: "Why?", Shown: true})
	require.NoError(t, err)
	assert.Equal(t, []string{"Why?", "|", "blocks 3t 4o"}, list[0].About)
	_, lays = task.Start(list[0])
	assert.True(t, lays)
}

// Ways stand there to choose among: each may be right, and a reason is given.
func TestAWayIsChosenWithAReason(t *testing.T) {
	one := made(t, "explain", nil, "Which way would you choose for 9 + 6? make ten; near double; count on; make ten")
	face, err := task.FaceOf(one, say.Vocabulary{})
	require.NoError(t, err)
	assert.Equal(t, "Which way would you choose for 9 + 6?", face.Ask)
	assert.Equal(t, []string{"make ten", "near double", "count on"}, face.Bank)
	for _, way := range face.Bank {
		assert.True(t, marked(t, one, task.Answer{"choice": way, "why": "9 is near 10"}).Right, way)
	}
	assert.Equal(t, "why", marked(t, one, task.Answer{"choice": "make ten"}).At)
	assert.Equal(t, "choice", marked(t, one, task.Answer{"why": "9 is near 10"}).At)
	lines, err := task.Lines(one, task.Answer{"choice": "make ten", "why": "9 is near 10"}, say.Vocabulary{})
	require.NoError(t, err)
	assert.Equal(t, []string{"make ten", "9 is near 10"}, lines)
	plain, err := task.FaceOf(made(t, "explain", nil, "Is 4; 5 or 6 more? Why"), say.Vocabulary{})
	require.NoError(t, err)
	assert.Empty(t, plain.Bank)
}

// What is explained is for the teacher to judge: anything said is kept.
func TestExplain(t *testing.T) {
	one := made(t, "explain", nil, "Why is 40 + 6 the same as 30 + 16? | blocks 4t 6o")
	face, err := task.FaceOf(one, say.Vocabulary{})
	require.NoError(t, err)
	assert.Equal(t, "Why is 40 + 6 the same as 30 + 16?", face.Ask)
	assert.Len(t, face.Boards, 1)
	assert.True(t, marked(t, one, task.Answer{"why": "a ten is ten ones"}).Right)
	assert.False(t, marked(t, one, task.Answer{"why": " "}).Right)
	spec, err := task.Find("explain")
	require.NoError(t, err)
	assert.True(t, spec.Teacher)
	_, err = task.Make(task.Task{Kind: "explain", About: []string{strings.Repeat("why ", 60)}})
	assert.ErrorContains(t, err, "at most 200 letters")
}

// Conditions are told one by one, against plain arithmetic.
func TestOwn(t *testing.T) {
	one := made(t, "own", nil, "sum, at most 20, regroup, both ways round")
	face, err := task.FaceOf(one, say.Vocabulary{})
	require.NoError(t, err)
	assert.Equal(t, "Make a sum of your own. No number may be more than 20. Choose them so that you have to bundle. "+
		"Write it both ways round.", face.Ask)
	for _, c := range []struct {
		mine, other string
		unmet       []string
	}{
		{"8 + 5 = 13", "5 + 8 = 13", nil},
		{"13=8+5", "13 = 5+8", nil},
		{"8 + 5 = 12", "5 + 8 = 13", []string{"sentence"}},
		{"2 + 5 = 7", "5 + 2 = 7", []string{"regroup"}},
		{"18 + 5 = 23", "5 + 18 = 23", []string{"most"}},
		{"8 + 5 = 13", "8 + 5 = 13", []string{"turned"}},
		{"8 + 5 = 13", "6 + 7 = 13", []string{"turned"}},
		{"13 − 5 = 8", "", []string{"sentence", "turned"}},
		{"8 + 5", "5 + 8", []string{"sentence", "turned"}},
	} {
		v := marked(t, one, task.Answer{"sentence": c.mine, "turned": c.other})
		var unmet []string
		for _, p := range v.Parts {
			if !p.Right {
				unmet = append(unmet, cmp.Or(p.What, p.At))
			}
		}
		assert.Equal(t, c.unmet, unmet, "%v", c)
	}
	r := rand.New(rand.NewPCG(3, 4))
	away := made(t, "own", nil, "difference, at most 30, regroup, on counters")
	for range 2000 {
		a, b, c, shown := r.IntN(34), r.IntN(20), r.IntN(30), r.IntN(30)
		if r.IntN(2) == 0 {
			c, shown = a-b, a-b
		}
		if c < 0 || shown < 0 {
			continue
		}
		v := marked(t, away, task.Answer{"sentence": fmt.Sprintf("%d - %d = %d", a, b, c),
			"board": fmt.Sprintf("counters %d", shown)})
		want := a-b == c && a <= 30 && (a%10 < b%10 || a/10 < b/10) && shown == c
		assert.Equal(t, want, v.Right, "%d − %d = %d, %d shown: %v", a, b, c, shown, v.Parts)
	}
	for _, about := range []string{"sums", "sum, at most 3", "difference, both ways round", "sum, on paper", ""} {
		_, err := task.Make(task.Task{Kind: "own", About: []string{about}})
		assert.Error(t, err, about)
	}
}

// A way is right that makes what lies there of two parts or more; one that was there already, with
// its parts in another order, is none.
func TestWays(t *testing.T) {
	one := made(t, "ways", nil, "counters 2x5: 8")
	face, err := task.FaceOf(one, say.Vocabulary{})
	require.NoError(t, err)
	assert.Equal(t, "How do you see how many there are? Write 2 different ways.", face.Ask)
	start, lays := task.Start(one)
	assert.True(t, lays, "she draws round it")
	assert.Equal(t, "counters 2x5: 8", board.Print(start))
	for _, c := range []struct {
		first, second string
		wrong         []string
	}{
		{"5 + 3", "4 + 4", nil},
		{"five and three", "double 4", nil},
		{"2 × 4", "10 − 2", nil},
		{"5 + 3", "3 + 5", []string{"way 2 different"}},
		{"double 4", "4 + 4", []string{"way 2 different"}},
		{"8", "4 + 4", []string{"way 1"}},
		{"5 + 4", "4 + 4", []string{"way 1"}},
		{"a lot", "4 + 4", []string{"way 1"}},
		{"5 + 3", "", []string{"way 2"}},
	} {
		v := marked(t, one, task.Answer{"way 1": c.first, "way 2": c.second})
		assert.Equal(t, c.wrong, wrongs(v), "%v", c)
	}
	r := rand.New(rand.NewPCG(5, 6))
	for range 400 {
		n, a, b := 3+r.IntN(18), r.IntN(14), r.IntN(14)
		if r.IntN(2) == 0 {
			b = n - a
		}
		if b < 0 {
			continue
		}
		one := made(t, "ways", map[string]string{"ways": "1"}, fmt.Sprintf("counters %d", n))
		v := marked(t, one, task.Answer{"way 1": fmt.Sprintf("%d + %d", a, b)})
		assert.Equal(t, a+b == n && a > 0 && b > 0, v.Right, "%d seen as %d + %d", n, a, b)
	}
	for _, about := range []string{"blocks 1h", "counters 2", "counters 61", "rack 2: 1 1", "counters 5; counters 5",
		"five"} {
		_, err := task.Make(task.Task{Kind: "ways", About: []string{about}})
		assert.Error(t, err, about)
	}
}

// A step is right by how much lies there after it, and as what, whatever the moves were.
func TestSteps(t *testing.T) {
	one := made(t, "steps", nil, "146 + 87")
	face, err := task.FaceOf(one, say.Vocabulary{})
	require.NoError(t, err)
	assert.Equal(t, "146 + 87: do the last step.", face.Ask)
	start, _ := task.Start(one)
	assert.Equal(t, "1 hundred 13 tens 3 ones", start.Models[0].InPlay().String(), "the class did the ones")
	for _, line := range face.Lines {
		for _, cell := range line.Cells {
			assert.NotContains(t, cell.Text, "233")
			assert.NotContains(t, cell.Text, "2 hundreds")
		}
	}
	two := made(t, "steps", map[string]string{"last": "2"}, "146 + 87")
	away := made(t, "steps", map[string]string{"last": "2"}, "402 − 167")
	for _, c := range []struct {
		of     task.Task
		answer task.Answer
		wrong  []string
	}{
		{one, task.Answer{"step 1": "blocks 2h 3t 3o", "result": "233"}, nil},
		{one, task.Answer{"step 1": "blocks 1h 13t 3o", "result": "233"}, []string{"step 1 form"}},
		{one, task.Answer{"step 1": "blocks 2h 3t 4o", "result": "233"}, []string{"step 1"}},
		{one, task.Answer{"step 1": "discs 2h 3t 3o", "result": "233"}, []string{"step 1"}},
		{one, task.Answer{"step 1": "blocks 2h 3t 3o", "result": "223"}, []string{"result"}},
		{one, task.Answer{"step 1": "blocks 2h 3t 3o"}, []string{"result"}},
		{two, task.Answer{"step 1": "blocks 1h 13t 3o", "step 2": "blocks 2h 3t 3o", "result": "233"}, nil},
		{two, task.Answer{"step 1": "blocks 2h 3t 3o", "step 2": "blocks 2h 3t 3o", "result": "233"},
			[]string{"step 1 form"}},
		{away, task.Answer{"step 1": "blocks 3h 3t 5o", "step 2": "blocks 2h 3t 5o", "result": "235"}, nil},
		{away, task.Answer{"step 1": "blocks 3h 9t 5o", "step 2": "blocks 2h 3t 5o", "result": "235"}, []string{"step 1"}},
	} {
		assert.Equal(t, c.wrong, wrongs(marked(t, c.of, c.answer)), "%v", c.answer)
	}
	v := marked(t, made(t, "steps", nil, "402 − 167"), task.Answer{"step 1": "blocks 2h 3t 5o", "result": "365"})
	assert.Equal(t, []string{"smaller-from-larger"}, slipsOf(v))
	for _, about := range []string{"97 ÷ 4", "146", "7 × 6", "hello", "146 + "} {
		_, err := task.Make(task.Task{Kind: "steps", About: []string{about}})
		assert.Error(t, err, about)
	}
}

// Every scene of the methods that have such steps gives them to do; the class sees the same
// example before.
func TestStepsOfAScene(t *testing.T) {
	for _, problem := range []string{"146 + 87", "402 − 167", "126 × 4"} {
		r, err := method.Typed("", problem)
		require.NoError(t, err)
		r.Model = "discs"
		e, err := method.Make(r)
		require.NoError(t, err)
		list := task.FromScene(e.Scene, []string{"steps"})
		require.Len(t, list, 1, problem)
		assert.Equal(t, "discs", list[0].Options["on"])
	}
}

// What was chosen for a kind is in its tasks; a number that has not so many ways has its own.
func TestASheetIsAsItWasWanted(t *testing.T) {
	scene := func(method_, model string, args ...string) lesson.Scene {
		e, err := method.Make(method.Request{Method: method_, Model: model, Args: args})
		require.NoError(t, err)
		return e.Scene
	}
	counters, one, sum := scene("build", "counters", "8"), scene("build", "counters", "1"),
		scene("column-add", "blocks", "146", "87")
	for _, c := range []struct {
		of     lesson.Scene
		wanted task.Wanted
		option string
		want   string
	}{
		{counters, task.Wanted{Kinds: []string{"build"}, Ways: 2}, "ways", "2"},
		{one, task.Wanted{Kinds: []string{"build"}, Ways: 3}, "ways", "1"},
		{counters, task.Wanted{Kinds: []string{"ways"}, Ways: 3}, "ways", "3"},
		{counters, task.Wanted{Kinds: []string{"ways"}}, "ways", "2"},
		{counters, task.Wanted{Kinds: []string{"read"}, Glimpse: true}, "look", "two seconds"},
		{sum, task.Wanted{Kinds: []string{"steps"}, Last: "all"}, "last", "all"},
	} {
		list, err := task.Sheet([]lesson.Scene{c.of}, c.wanted)
		require.NoError(t, err)
		require.Len(t, list, 1, "%v", c.wanted)
		made, err := task.Make(list[0])
		require.NoError(t, err)
		assert.Equal(t, c.want, made.Options[c.option], "%v", c.wanted)
	}
}
