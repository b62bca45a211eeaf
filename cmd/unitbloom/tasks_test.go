package main

import (
	"encoding/json"
	"os"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/task"
)

// Every kind is listed with a task and answers, and each is judged as it is listed.
func TestListedTasksAreMarked(t *testing.T) {
	t.Parallel()
	out, _, status := runs(t, "", "tasks", "--json")
	require.Zero(t, status)
	var kinds []struct {
		Kind, Doc    string
		Task         json.RawMessage
		Right, Wrong []task.Answer
	}
	require.NoError(t, json.Unmarshal([]byte(out), &kinds))
	require.Len(t, kinds, len(task.Specs()))
	for _, k := range kinds {
		path := filepath.Join(t.TempDir(), "task.json")
		require.NoError(t, os.WriteFile(path, k.Task, 0o600))
		assert.GreaterOrEqual(t, len(k.Right), 3, k.Kind)
		assert.GreaterOrEqual(t, len(k.Wrong), 3, k.Kind)
		for i, a := range append(k.Right, k.Wrong...) {
			raw, err := json.Marshal(a)
			require.NoError(t, err)
			out, told, status := runs(t, string(raw), "mark", "--task", path, "--answer", "-", "--json")
			require.Zerof(t, status, "%s: %s", k.Kind, told)
			var v task.Verdict
			require.NoError(t, json.Unmarshal([]byte(out), &v))
			assert.Equal(t, i < len(k.Right), v.Right, "%s %v", k.Kind, a)
		}
	}
}

func TestTasksAreMadeAndRefused(t *testing.T) {
	t.Parallel()
	out, _, status := runs(t, "", "task", "column", "402 − 167")
	require.Zero(t, status)
	assert.Contains(t, out, "Work out 402 − 167.")
	out, _, status = runs(t, "", "task", "build", "146", "--set", "ways=2", "--json")
	require.Zero(t, status)
	path := filepath.Join(t.TempDir(), "task.json")
	require.NoError(t, os.WriteFile(path, []byte(out), 0o600))

	out, _, status = runs(t, `{"way 1":"blocks 1h 4t 6o","way 2":"blocks 14t 6o"}`, "mark", "--task", path, "--answer",
		"-")
	require.Zero(t, status)
	assert.Equal(t, "Right.\n", out)
	out, _, status = runs(t, `{"way 1":"blocks 1h 6t 4o","way 2":"blocks 14t 6o"}`, "mark", "--task", path, "--answer",
		"-")
	require.Zero(t, status)
	assert.Equal(t, "Not yet. What does each piece count?\n  way 1\n  as if the last two digits had changed places: "+
		"Which of your digits counts the tens?\n", out)

	for _, c := range []struct {
		in, want string
		status   int
		args     []string
	}{
		{"", "Say which kind", 2, []string{"task"}},
		{"", "There is no task called dance", 1, []string{"task", "dance", "3"}},
		{"", "colour", 1, []string{"task", "build", "3", "--set", "colour=red"}},
		{"", "Give a task and an answer", 2, []string{"mark"}},
		{"", "does not open", 1, []string{"mark", "--task", "nowhere.json", "--answer", "-"}},
		{`{"way 1":5}`, "this is not what belongs here", 1, []string{"mark", "--task", path, "--answer", "-"}},
		{`{"way 9":"5"}`, "nothing called way 9", 1, []string{"mark", "--task", path, "--answer", "-"}},
		{`{`, "--answer", 1, []string{"mark", "--task", path, "--answer", "-"}},
	} {
		_, told, status := runs(t, c.in, c.args...)
		assert.Equal(t, c.status, status, c.args)
		assert.Contains(t, told, c.want, c.args)
	}
}
