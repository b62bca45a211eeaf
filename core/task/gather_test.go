package task_test

import (
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/say"
	"unitbloom/core/task"
)

func build54(pieces string) task.Task {
	t, err := task.Make(task.Task{Kind: "build", About: []string{"54"}, Options: map[string]string{"pieces": pieces}})
	if err != nil {
		panic(err)
	}
	return t
}

// What was laid is what tells children apart, however it lies; value and condition stand apart.
func TestBoardsAreGatheredByWhatLiesThere(t *testing.T) {
	fewest := build54("fewest")
	laid := func(who, board string) task.Handed {
		return task.Handed{Who: who, Task: fewest, Answer: task.Answer{"board": board}}
	}
	groups, told, err := task.Gather([]task.Handed{
		laid("Mirren", "blocks 5t 4o"), laid("Jorn", "blocks 4t 14o"), laid("Evi", "blocks 4o 5t"),
		laid("Rosa", "blocks 4t 5o"), laid("Tam", "blocks 5t 5o"),
	}, false, say.Vocabulary{})
	require.NoError(t, err)
	require.Len(t, groups, 4)
	assert.Equal(t, []string{"Mirren", "Evi"}, groups[0].Who)
	assert.Equal(t, task.GoOn, groups[0].Next)
	assert.Equal(t, []string{"5 tens 4 ones"}, groups[0].Lines)

	left := groups[1]
	assert.True(t, left.Value, "fourteen ones are a right value")
	assert.False(t, left.Right)
	assert.Equal(t, "fewest", left.Unmet)
	assert.Equal(t, task.AskThem, left.Next)
	assert.Equal(t, "Are there ten of any?", left.Ask)
	assert.Empty(t, left.As, "a condition that is not met is no mistake")

	assert.Equal(t, "45", groups[2].Shows)
	assert.NotEmpty(t, groups[2].As, "45 for 54 is a known mistake")
	assert.Equal(t, task.Another, groups[2].Next)
	assert.Equal(t, task.SitWith, groups[3].Next)
	assert.Empty(t, told, "one child alone is no habit")
}

// Two who did it at one device are two children, in the group and in what is told of mistakes.
func TestTwoAtOneDeviceAreTwo(t *testing.T) {
	fewest := build54("fewest")
	groups, told, err := task.Gather([]task.Handed{
		{Who: "Evi and Jorn", Children: 2, Task: fewest, Answer: task.Answer{"board": "blocks 4t 5o"}},
		{Who: "Tam", Task: fewest, Answer: task.Answer{"board": "blocks 4t 5o"}},
	}, false, say.Vocabulary{})
	require.NoError(t, err)
	require.Len(t, groups, 1)
	assert.Equal(t, 3, groups[0].Children)
	assert.Len(t, groups[0].Who, 2)
	require.NotEmpty(t, told)
	assert.Equal(t, [2]int{3, 3}, [2]int{told[0].N, told[0].Of})
}

// A mistake is told once two children show it, out of those whose problem could.
func TestAMistakeIsToldOutOfThoseWhoseProblemCouldShowIt(t *testing.T) {
	answers := map[string]string{"402 − 167": "365", "431 − 167": "336", "469 − 123": "346", "502 − 138": "364"}
	var handed []task.Handed
	for _, problem := range []string{"402 − 167", "431 − 167", "469 − 123", "502 − 138"} {
		tk, err := task.Make(task.Task{Kind: "column", About: []string{problem}})
		require.NoError(t, err)
		a := task.Answer{}
		for i, place := range []string{"hundreds", "tens", "ones"} {
			a["sum "+place] = answers[problem][i : i+1]
		}
		handed = append(handed, task.Handed{Who: problem, Task: tk, Answer: a})
	}
	groups, told, err := task.Gather(handed, true, say.Vocabulary{})
	require.NoError(t, err)
	require.Len(t, groups, 2, "own numbers are gathered by what can be said of them")
	assert.Equal(t, []string{"402 − 167", "431 − 167"}, groups[0].Who)
	assert.Equal(t, "402 − 167", groups[0].Of)
	assert.Equal(t, []string{"402 − 167 = 365"}, groups[0].Lines)
	assert.True(t, groups[1].Right)
	require.NotEmpty(t, told)
	assert.Equal(t, "smaller-from-larger", told[0].ID)
	assert.Equal(t, 2, told[0].N)
	assert.Equal(t, 3, told[0].Of, "469 − 123 shows no exchange")
}

// Every kind's samples can be gathered: each right answer goes on, no wrong one does.
func TestAnswersOfEveryKindAreGathered(t *testing.T) {
	for _, spec := range task.Specs() {
		tk, err := task.Make(task.Task{Kind: spec.Kind, About: spec.Sample})
		require.NoError(t, err)
		right, err := task.Right(tk)
		require.NoError(t, err)
		wrong, err := task.Wrong(tk)
		require.NoError(t, err)
		var handed []task.Handed
		for i, a := range append(right, wrong...) {
			handed = append(handed, task.Handed{Who: strconv.Itoa(i), Task: tk, Answer: a})
		}
		groups, _, err := task.Gather(handed, false, say.Vocabulary{})
		require.NoError(t, err, spec.Kind)
		n := 0
		for _, g := range groups {
			assert.NotEmpty(t, g.Lines, spec.Kind)
			for _, who := range g.Who {
				n++
				i, _ := strconv.Atoi(who)
				assert.Equal(t, i < len(right), g.Next == task.GoOn || g.Next == task.ReadIt, "%s: %v", spec.Kind, handed[i].Answer)
			}
		}
		assert.Equal(t, len(handed), n, "%s: each child is in one group", spec.Kind)
	}
}

// Children's own numbers are others than the class has seen, each seed its own.
func TestOwnNumbersAreNotTheScenes(t *testing.T) {
	scenes := scenesOf(t, "402 − 167")
	seen := map[string]bool{}
	for seed := range uint64(12) {
		tasks, err := task.Sheet(scenes, task.Wanted{Kinds: []string{"column"}, Seed: 100 * seed, Own: true})
		require.NoError(t, err)
		require.Len(t, tasks, 1)
		assert.NotEqual(t, "402 − 167", tasks[0].About[0])
		seen[tasks[0].About[0]] = true
	}
	assert.Greater(t, len(seen), 8)
}

func scenesOf(t *testing.T, lines string) []lesson.Scene {
	t.Helper()
	g, faults := method.Grant(lines, nil, say.Vocabulary{})
	require.Empty(t, faults)
	return g.Scenes
}

// A written method is put up as the child worked it, with her marks; a choice and what was told
// aloud are read as a class reads them.
func TestWorkIsReadAsAClassReadsIt(t *testing.T) {
	column, err := task.Make(task.Task{Kind: "column", About: []string{"97 − 59"}})
	require.NoError(t, err)
	rows, err := task.Columns(column, task.Answer{"mark tens": "8", "mark ones": "17", "sum tens": "3", "sum ones": "8"},
		say.Vocabulary{})
	require.NoError(t, err)
	var seen []string
	for _, row := range rows {
		var cells []string
		for _, c := range row.Cells {
			assert.Empty(t, c.Blank, "nothing is left to fill in")
			cells = append(cells, c.Text)
		}
		seen = append(seen, row.Kind+":"+strings.Join(cells, ","))
	}
	assert.Equal(t, []string{"mark:,,8,17", "addend 1:,,9,7", "addend 2:−,,5,9", "sum:,,3,8"}, seen)

	choose, err := task.Make(task.Task{Kind: "choose", About: []string{"92 − 67"}})
	require.NoError(t, err)
	rows, err = task.Columns(choose, task.Answer{}, say.Vocabulary{})
	require.NoError(t, err)
	assert.Empty(t, rows)
	lines, err := task.Lines(choose, task.Answer{"choice": "25", "why": task.SaidAloud}, say.Vocabulary{})
	require.NoError(t, err)
	assert.Equal(t, []string{"25", "Told aloud."}, lines)
}
