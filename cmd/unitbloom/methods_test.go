package main

import (
	"encoding/json"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
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
	require.Len(t, list, 20)
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
