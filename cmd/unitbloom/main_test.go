package main

import (
	"bufio"
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/internal/proptest"
)

// TestMain lets this test binary be the application itself, so that the tests
// start and kill a real process.
func TestMain(m *testing.M) {
	if os.Getenv("UNITBLOOM_AS_ITSELF") != "" {
		os.Exit(run(os.Args[1:]))
	}
	os.Exit(m.Run())
}

func command(t testing.TB, args ...string) *exec.Cmd {
	exe, err := os.Executable()
	require.NoError(t, err)
	cmd := exec.Command(exe, args...)
	// The race detector would rest a second before each end.
	cmd.Env = append(os.Environ(), "UNITBLOOM_AS_ITSELF=1", "GORACE=atexit_sleep_ms=0")
	return cmd
}

// runs gives standard output, standard error and the exit status.
func runs(t testing.TB, input string, args ...string) (out, errs string, status int) {
	cmd := command(t, args...)
	var stdout, stderr bytes.Buffer
	cmd.Stdin, cmd.Stdout, cmd.Stderr = strings.NewReader(input), &stdout, &stderr
	_ = cmd.Run()
	return stdout.String(), stderr.String(), cmd.ProcessState.ExitCode()
}

func TestExampleAsJSON(t *testing.T) {
	t.Parallel()
	out, _, status := runs(t, "", "example", "column-add", "146", "87", "--model", "blocks", "--json")
	require.Zero(t, status)
	var got map[string]json.RawMessage
	require.NoError(t, json.Unmarshal([]byte(out), &got))
	assert.JSONEq(t, `["column-add","146 + 87","233","blocks"]`,
		fmt.Sprintf("[%s,%s,%s,%s]", got["method"], got["problem"], got["answer"], got["model"]))
	var steps []map[string]json.RawMessage
	require.NoError(t, json.Unmarshal(got["steps"], &steps))
	assert.Equal(t, `"1 hundred 12 tens 13 ones"`, string(steps[2]["unitForm"]))
	for _, step := range steps {
		for _, field := range []string{"say", "ask", "answer", "write", "moves", "total", "unitForm"} {
			assert.Contains(t, step, field)
		}
	}
	var start board.Board
	require.NoError(t, json.Unmarshal(got["start"], &start))
	for _, step := range steps {
		var moves []board.Move
		require.NoError(t, json.Unmarshal(step["moves"], &moves))
		var err error
		start, err = board.ApplyAll(start, moves)
		require.NoError(t, err)
	}
	end, err := json.Marshal(start)
	require.NoError(t, err)
	assert.JSONEq(t, string(got["end"]), string(end))
}

func TestBatchKeepsTheOrderAndGoesOn(t *testing.T) {
	t.Parallel()
	var in, want strings.Builder
	r := proptest.Random(4)
	for n := 1; n <= 200; n++ {
		a, b := r.IntN(5000), r.IntN(4999)
		fmt.Fprintf(&in, "column-add,%d,%d\n", a, b)
		fmt.Fprintf(&want, "%d %d\n", n, a+b)
	}
	in.WriteString("column-add,9999999,1\n\ncolumn-sub,1,1\n\"\n")
	out, errs, status := runs(t, in.String(), "example", "--batch", "-", "--json")
	assert.Equal(t, 1, status)
	assert.Empty(t, errs)
	var got strings.Builder
	var failed []string
	for _, line := range strings.Split(strings.TrimSpace(out), "\n") {
		var o struct {
			Line   int
			Answer string
			Error  string
		}
		require.NoError(t, json.Unmarshal([]byte(line), &o))
		if o.Error != "" {
			failed = append(failed, fmt.Sprintf("%d %s", o.Line, o.Error))
			continue
		}
		fmt.Fprintf(&got, "%d %s\n", o.Line, o.Answer)
	}
	assert.Equal(t, want.String(), got.String())
	assert.Equal(t, []string{
		"201 9999999 does not fit on blocks. They hold whole numbers to 9999 here.",
		"203 There is no method called column-sub.",
		"204 this line cannot be read. Write it like column-add,146,87",
	}, failed)
}

func TestReadAndErrors(t *testing.T) {
	t.Parallel()
	out, _, status := runs(t, "", "read", "4070", "--json")
	assert.Zero(t, status)
	assert.JSONEq(t, `{"numeral":"4070","expanded":"4000 + 70","unitForm":"4 thousands 7 tens","words":"four thousand seventy",
		"wordsWithAnd":"four thousand and seventy","placeWords":"four thousand seven ten","digits":[
		{"place":"thousands","digit":4,"value":"4000"},{"place":"hundreds","digit":0,"value":"0"},
		{"place":"tens","digit":7,"value":"70"},{"place":"ones","digit":0,"value":"0"}]}`, out)
	for _, c := range []struct {
		args   []string
		status int
		says   string
	}{
		{[]string{"read", "abc"}, 1, `"abc" is not a number. Write digits, like 146 or 3.05`},
		{[]string{"read"}, 2, "requires at least 1 arg(s)"},
		{[]string{"reed", "1"}, 2, `unknown command "reed"`},
		{[]string{"read", "1", "--jason"}, 2, "unknown flag: --jason"},
		{[]string{"example", "column-add", "-3", "4"}, 1, `"-3" is below 0`},
		{[]string{"example"}, 2, "say which method"},
		{[]string{"example", "column-add", "1", "2", "--set", "marks"}, 2, "is not key=value"},
		{[]string{"example", "column-add", "1", "2", "--set", "marks=left"}, 1, "Marks cannot be left. Use above, below."},
		{[]string{"example", "--batch", "nowhere.csv"}, 1, `the file "nowhere.csv" does not open`},
		{[]string{"backup", "x", "--data", "nowhere.db"}, 1, `there is no database at "nowhere.db"`},
		{[]string{"serve", "--host", "0.0.0.0", "--data", filepath.Join(t.TempDir(), "x.db")}, 2, "give a passphrase too"},
	} {
		out, errs, status := runs(t, "", c.args...)
		assert.Equal(t, c.status, status, c.args)
		assert.Empty(t, out)
		assert.Contains(t, errs, c.says)
		assert.Equal(t, 1, strings.Count(errs, "\n"), "one plain line")
	}
}

// running is the application as a process of its own.
type running struct {
	cmd *exec.Cmd
	url string
}

func serve(t *testing.T, data string) running {
	cmd := command(t, "demo", "--data", data, "--port", "0")
	pipe, err := cmd.StdoutPipe()
	require.NoError(t, err)
	require.NoError(t, cmd.Start())
	line, err := bufio.NewReader(pipe).ReadString('\n')
	require.NoError(t, err)
	_, url, found := strings.Cut(strings.TrimSpace(line), " at ")
	require.True(t, found, line)
	t.Cleanup(func() { _ = cmd.Process.Kill(); _ = cmd.Wait() })
	return running{cmd, url}
}

func get(t *testing.T, url string, into any) {
	res, err := http.Get(url)
	require.NoError(t, err)
	defer res.Body.Close()
	require.Equal(t, 200, res.StatusCode)
	require.NoError(t, json.NewDecoder(res.Body).Decode(into))
}

// saveUntilDeath sends saves, each of one bulb, until the server is gone, and
// returns how many were acknowledged, and whether one was left unanswered.
func saveUntilDeath(url, id string, rev *int, operation *int) (acknowledged int) {
	client := &http.Client{Timeout: 5 * time.Second}
	for {
		body := fmt.Sprintf(`{"operation":"op-%d","base":%d,"edits":[{"kind":"play","scene":"loose","moves":[{"kind":"place","amount":"1 one"}]}]}`, *operation, *rev)
		res, err := client.Post(url+"/api/lessons/"+id+"/saves", "application/json", strings.NewReader(body))
		if err != nil {
			return acknowledged
		}
		raw, err := io.ReadAll(res.Body)
		_ = res.Body.Close()
		if err != nil || res.StatusCode != 200 {
			return acknowledged
		}
		var out struct{ Rev int }
		if json.Unmarshal(raw, &out) != nil {
			return acknowledged
		}
		*rev = out.Rev
		*operation++
		acknowledged++
	}
}

func TestAKilledServerKeepsEveryAcknowledgedSave(t *testing.T) {
	t.Parallel()
	data := filepath.Join(t.TempDir(), "killed.db")
	r := proptest.Random(5)
	rev, operation, acknowledged := 1, 0, 0
	var id string
	for round := range 20 {
		app := serve(t, data)
		if id == "" {
			id = lessonWith(t, app.url, "loose")
		}
		done := make(chan int)
		go func() { done <- saveUntilDeath(app.url, id, &rev, &operation) }()
		time.Sleep(time.Duration(5+r.IntN(120)) * time.Millisecond)
		require.NoError(t, app.cmd.Process.Kill()) // SIGKILL
		acknowledged += <-done
		_ = app.cmd.Wait()

		again := serve(t, data)
		bulbs, at := bulbsOf(t, again.url, id)
		// The save under way when the server died may have been made or not.
		require.GreaterOrEqual(t, bulbs, 13+acknowledged, "round %d: an acknowledged save is gone", round)
		require.LessOrEqual(t, bulbs, 13+acknowledged+1)
		if bulbs > 13+acknowledged {
			acknowledged++
			operation++
		}
		rev = at
		require.NoError(t, again.cmd.Process.Signal(os.Interrupt))
		require.NoError(t, again.cmd.Wait(), "it stops in good order")
	}
	require.Greater(t, acknowledged, 20, "saves were under way")
}

func lessonWith(t *testing.T, url, scene string) string {
	var shelf struct{ Lessons []struct{ ID string } }
	get(t, url+"/api/lessons", &shelf)
	for _, l := range shelf.Lessons {
		var doc struct{ Lesson lesson.Lesson }
		get(t, url+"/api/lessons/"+l.ID, &doc)
		if _, i := doc.Lesson.Scene(scene); i >= 0 {
			return l.ID
		}
	}
	t.Fatalf("no demo lesson has a scene %q", scene)
	return ""
}

func bulbsOf(t *testing.T, url, id string) (bulbs, rev int) {
	var doc struct {
		Rev    int
		Lesson lesson.Lesson
	}
	get(t, url+"/api/lessons/"+id, &doc)
	sc, _ := doc.Lesson.Scene("loose")
	bulbs, _ = board.Total(sc.Start.Models[0]).Whole()
	return bulbs, doc.Rev
}

func TestBackupWhileTheServerRuns(t *testing.T) {
	t.Parallel()
	dir := t.TempDir()
	data := filepath.Join(dir, "school.db")
	app := serve(t, data)
	lessonWith(t, app.url, "loose")
	_, errs, status := runs(t, "", "backup", filepath.Join(dir, "copy.db"), "--data", data)
	require.Zero(t, status, errs)
	copied := serve(t, filepath.Join(dir, "copy.db"))
	lessonWith(t, copied.url, "loose")
}

func TestServeStopsWhenAsked(t *testing.T) {
	t.Parallel()
	app := serve(t, filepath.Join(t.TempDir(), "x.db"))
	ctx, cancel := context.WithTimeout(context.Background(), 10*time.Second)
	defer cancel()
	// An open stream of events does not keep the server up.
	req, err := http.NewRequestWithContext(ctx, "GET", app.url+"/api/lessons/"+lessonWith(t, app.url, "loose")+"/events?holder=x", nil)
	require.NoError(t, err)
	res, err := http.DefaultClient.Do(req)
	require.NoError(t, err)
	defer res.Body.Close()
	require.NoError(t, app.cmd.Process.Signal(os.Interrupt))
	start := time.Now()
	require.NoError(t, app.cmd.Wait())
	assert.Less(t, time.Since(start), 8*time.Second)
}
