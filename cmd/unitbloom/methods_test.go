package main

import (
	"encoding/json"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/lesson"
)

// Every method that is listed makes its own sample on the command line.
func TestEveryListedMethodMakesItsSample(t *testing.T) {
	t.Parallel()
	out, _, status := runs(t, "", "methods", "--json")
	require.Zero(t, status)
	var list []struct {
		ID, Limits, Typed string
		Sample, Models    []string
	}
	require.NoError(t, json.Unmarshal([]byte(out), &list))
	require.Len(t, list, 22)
	var batch []string
	for _, m := range list {
		assert.NotEmpty(t, m.Limits, m.ID)
		batch = append(batch, m.ID+","+strings.Join(m.Sample, ","))
	}
	out, errs, status := runs(t, strings.Join(batch, "\n"), "example", "--batch", "-", "--json")
	require.Zero(t, status, errs+out)
	lines := strings.Split(strings.TrimSpace(out), "\n")
	require.Len(t, lines, len(list))
	for i, line := range lines {
		var made struct {
			Line           int
			Method, Answer string
			Steps          []json.RawMessage
		}
		require.NoError(t, json.Unmarshal([]byte(line), &made))
		assert.Equal(t, i+1, made.Line)
		assert.Equal(t, list[i].ID, made.Method)
		assert.NotEmpty(t, made.Answer)
		assert.NotEmpty(t, made.Steps)
	}
}

func TestAnswersAreBare(t *testing.T) {
	t.Parallel()
	for _, c := range []struct {
		args   []string
		answer string
	}{
		{[]string{"share", "97", "4"}, "24 remainder 1"},
		{[]string{"shift", "3.05", "x", "10"}, "30.5"},
		{[]string{"shift", "640", "/", "100"}, "6.4"},
		{[]string{"unknown", "? + 7 = 15"}, "8"},
		{[]string{"more-less", "296", "+10", "+10", "-100"}, "216"},
		{[]string{"compare", "408", "480"}, "<"},
		{[]string{"column-subtract", "4002", "-", "1567"}, "2435"},
		{[]string{"add-facts", "8", "5", "--set", "way=make ten"}, "13"},
	} {
		out, errs, status := runs(t, "", append(append([]string{"example"}, c.args...), "--json")...)
		require.Zero(t, status, errs)
		var made struct{ Answer string }
		require.NoError(t, json.Unmarshal([]byte(out), &made))
		assert.Equal(t, c.answer, made.Answer)
	}
	out, _, _ := runs(t, "", "example", "add-facts", "8", "5", "--json")
	var made struct{ Scenes []struct{ Title string } }
	require.NoError(t, json.Unmarshal([]byte(out), &made))
	assert.Len(t, made.Scenes, 3)
}

func TestParallelRepeatsWithItsSeed(t *testing.T) {
	t.Parallel()
	out, _, status := runs(t, "", "parallel", "column-add", "146", "87", "--seed", "3")
	require.Zero(t, status)
	again, _, _ := runs(t, "", "parallel", "column-add", "146", "87", "--seed", "3")
	assert.Equal(t, out, again)
	other, _, _ := runs(t, "", "parallel", "column-add", "146", "87", "--seed", "4")
	assert.NotEqual(t, out, other)
	_, errs, status := runs(t, "", "parallel", "column-add")
	assert.Equal(t, 2, status)
	assert.NotEmpty(t, errs)
}

// A list of problems becomes a lesson that opens, a scene a line; a line that is none is
// told with its number, and nothing is written.
func TestAListBecomesALesson(t *testing.T) {
	t.Parallel()
	out, errs, status := runs(t, "58 + 67\n\nshare,97,4\n4002 - 1567\n24 × 3\n9 = 4 + ?\n", "lesson", "-", "--title",
		"Mixed")
	require.Zero(t, status, errs)
	l, err := lesson.Import([]byte(out))
	require.NoError(t, err)
	assert.Equal(t, "Mixed", l.Title)
	var made []string
	for _, sc := range l.Scenes {
		made = append(made, sc.Made.Method+" "+sc.Made.Answer)
		for _, o := range sc.Replay() {
			require.NoError(t, o.Err)
		}
	}
	assert.Equal(t, []string{"column-add 125", "share 24 remainder 1", "column-subtract 2435", "short-multiply 72",
		"unknown 5"}, made)
	out, errs, status = runs(t, "58 + 67\nmany\n3 -\n", "lesson", "-")
	assert.Equal(t, 1, status)
	assert.Empty(t, out)
	assert.Contains(t, errs, "Line 2: ")
	assert.Contains(t, errs, "Line 3: ")
	_, errs, status = runs(t, "\n", "lesson", "-")
	assert.Equal(t, 1, status)
	assert.Contains(t, errs, "has no problem")
}

// A set rises: each problem is as hard as the one before, or one step harder in one
// respect, which is told.
func TestASetRises(t *testing.T) {
	t.Parallel()
	for _, problem := range [][]string{{"column-add", "34", "25"}, {"column-subtract", "58", "-", "23"},
		{"short-multiply", "24", "x", "2"}} {
		out, errs, status := runs(t, "", append(append([]string{"parallel"}, problem...), "--set", "10", "--json")...)
		require.Zero(t, status, errs)
		var set []struct {
			Args           []string
			Harder, Answer string
		}
		require.NoError(t, json.Unmarshal([]byte(out), &set))
		require.Len(t, set, 10, problem)
		seen := map[string]bool{}
		steps := 0
		for i, one := range set {
			text := strings.Join(one.Args, " ")
			assert.False(t, seen[text], "%s twice", text)
			seen[text] = true
			if one.Harder != "" {
				steps++
			}
			if one.Harder == "A digit more." {
				assert.Greater(t, longest(one.Args), longest(set[i-1].Args), text)
			}
		}
		assert.GreaterOrEqual(t, steps, 4, "%v rises: %v", problem, set)
		again, _, _ := runs(t, "", append(append([]string{"parallel"}, problem...), "--set", "10", "--json")...)
		assert.Equal(t, out, again, "the same seed gives the same set")
	}
	_, _, status := runs(t, "", "parallel", "column-add", "34", "25", "--set", "1")
	assert.Equal(t, 2, status)
}

func longest(args []string) int {
	n := 0
	for _, a := range args {
		n = max(n, len(a))
	}
	return n
}
