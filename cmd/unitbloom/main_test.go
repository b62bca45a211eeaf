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
	"unitbloom/web"
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
		"201 9999999 and 1 make more than 9999999, the most that is shown here.",
		"203 There is no method called column-sub.",
		"204 This line cannot be read. Write it like column-add,146,87 or 146 + 87.",
	}, failed)
}

func TestReadAndErrors(t *testing.T) {
	t.Parallel()
	out, _, status := runs(t, "", "read", "4070", "--json")
	assert.Zero(t, status)
	assert.JSONEq(t, `{"numeral":"4070","expanded":"4000 + 70","unitForm":"4 thousands 7 tens",
		"words":"four thousand seventy","wordsWithAnd":"four thousand and seventy","placeWords":"four thousand seven ten",
		"digits":[
		{"place":"thousands","digit":4,"value":"4000"},{"place":"hundreds","digit":0,"value":"0"},
		{"place":"tens","digit":7,"value":"70"},{"place":"ones","digit":0,"value":"0"}]}`, out)
	for _, c := range []struct {
		args   []string
		status int
		says   string
	}{
		{[]string{"read", "abc"}, 1, `“abc” is not a number. Write digits, like 146 or 3.05`},
		{[]string{"read"}, 2, "These are not its arguments. Use: unitbloom read NUMBER"},
		{[]string{"reed", "1"}, 2, `Unknown command "reed"`},
		{[]string{"read", "1", "--jason"}, 2, "Unknown flag: --jason"},
		{[]string{"example", "column-add", "-3", "4"}, 1, "from 0 to 9999999.999"},
		{[]string{"example"}, 2, "Say which method"},
		{[]string{"example", "column-add", "1", "2", "--set", "marks"}, 2, "is not key=value"},
		{[]string{"example", "column-add", "1", "2", "--set", "marks=left"}, 1, "Marks cannot be left. Use above, below."},
		{[]string{"example", "--batch", "nowhere.csv"}, 1, `The file "nowhere.csv" does not open`},
		{[]string{"backup", "x", "--data", "nowhere.db"}, 1, `There is no database at "nowhere.db"`},
		{[]string{"serve", "--proxy", "proxy.school", "--data", filepath.Join(t.TempDir(), "x.db")}, 2,
			"no address of a proxy"},
		{[]string{"serve", "--cert", "a.pem", "--data", filepath.Join(t.TempDir(), "x.db")}, 2, "go together"},
		{[]string{"link", "--data", filepath.Join(t.TempDir(), "x.db")}, 1, "There is no database"},
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
	return started(t, command(t, "demo", "--data", data, "--port", "0"))
}

func started(t *testing.T, cmd *exec.Cmd) running {
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
// tells each that was acknowledged.
func saveUntilDeath(url, id string, rev, operation int, acknowledged chan<- int) {
	defer close(acknowledged)
	client := &http.Client{Timeout: time.Minute}
	for ; ; operation++ {
		body := fmt.Sprintf(`{"operation":"op-%d","base":%d,"format":2,"edits":[{"kind":"play","scene":"loose",`+
			`"moves":[{"kind":"place","amount":"1 one"}]}]}`, operation, rev)
		res, err := client.Post(url+"/api/lessons/"+id+"/saves", "application/json", strings.NewReader(body))
		if err != nil {
			return
		}
		var out struct{ Rev int }
		err = json.NewDecoder(res.Body).Decode(&out)
		_ = res.Body.Close()
		if err != nil || res.StatusCode != 200 {
			return
		}
		rev = out.Rev
		acknowledged <- rev
	}
}

// The server is killed while a save is under way, after some that it acknowledged:
// how many is drawn, and no clock is looked at.
func TestAKilledServerKeepsEveryAcknowledgedSave(t *testing.T) {
	t.Parallel()
	data := filepath.Join(t.TempDir(), "killed.db")
	r := proptest.Random(5)
	rev, operation, kept := 1, 0, 0
	var id string
	for round := range 20 {
		app := serve(t, data)
		if id == "" {
			id = lessonWith(t, app.url, "loose")
		}
		acks := make(chan int, 1000)
		go saveUntilDeath(app.url, id, rev, operation, acks)
		for range 1 + r.IntN(7) {
			<-acks
			kept, operation = kept+1, operation+1
		}
		require.NoError(t, app.cmd.Process.Kill()) // SIGKILL
		for range acks {
			kept, operation = kept+1, operation+1
		}
		_ = app.cmd.Wait()

		again := serve(t, data)
		bulbs, at := bulbsOf(t, again.url, id)
		// The save under way when the server died may have been made or not.
		require.GreaterOrEqual(t, bulbs, 13+kept, "round %d: an acknowledged save is gone", round)
		require.LessOrEqual(t, bulbs, 13+kept+1)
		if bulbs > 13+kept {
			kept, operation = kept+1, operation+1
		}
		rev = at
		require.NoError(t, again.cmd.Process.Signal(os.Interrupt))
		require.NoError(t, again.cmd.Wait(), "it stops in good order")
	}
}

// killedSoon runs a command and kills it after a little while, which may be before,
// while or after it does its work: what must hold holds in each case.
func killedSoon(t *testing.T, after time.Duration, args ...string) {
	cmd := command(t, args...)
	require.NoError(t, cmd.Start())
	time.Sleep(after)
	_ = cmd.Process.Kill()
	_ = cmd.Wait()
}

func TestAKilledBackupIsNeverMistakenForOne(t *testing.T) {
	t.Parallel()
	dir := t.TempDir()
	data := filepath.Join(dir, "school.db")
	app := serve(t, data)
	lessonWith(t, app.url, "loose")
	r := proptest.Random(7)
	for round := range 12 {
		to := filepath.Join(dir, fmt.Sprintf("backup%d.db", round))
		killedSoon(t, time.Duration(r.IntN(80))*time.Millisecond, "backup", to, "--data", data)
		if _, err := os.Stat(to); err != nil {
			_, errs, status := runs(t, "", "backup", to, "--data", data)
			require.Zero(t, status, "it can be made again: %s", errs)
		}
		out, errs, status := runs(t, "", "check", "--data", to)
		require.Zero(t, status, errs)
		require.Contains(t, out, "9 lessons")
	}
}

func TestAKilledRestoreLeavesTheOldOrTheNew(t *testing.T) {
	t.Parallel()
	dir := t.TempDir()
	data, backup := filepath.Join(dir, "school.db"), filepath.Join(dir, "monday.db")
	app := serve(t, data)
	id := lessonWith(t, app.url, "loose")
	_, errs, status := runs(t, "", "backup", backup, "--data", data)
	require.Zero(t, status, errs)
	acks := make(chan int, 1000)
	go saveUntilDeath(app.url, id, 1, 0, acks)
	<-acks
	out, errs, status := runs(t, "", "restore", backup, "--data", data)
	assert.Equal(t, 1, status, "never while a server runs: %s", out)
	assert.Contains(t, errs, "Another Unit Bloom has the database")
	require.NoError(t, app.cmd.Process.Kill())
	made := 13 + 1
	for range acks {
		made++
	}
	_ = app.cmd.Wait()
	r := proptest.Random(8)
	for range 10 {
		killedSoon(t, time.Duration(r.IntN(60))*time.Millisecond, "restore", backup, "--data", data)
		again := serve(t, data)
		bulbs, _ := bulbsOf(t, again.url, id)
		require.Contains(t, []int{13, made, made + 1}, bulbs)
		require.NoError(t, again.cmd.Process.Signal(os.Interrupt))
		require.NoError(t, again.cmd.Wait())
	}
	out, errs, status = runs(t, "", "restore", backup, "--data", data)
	require.Zero(t, status, errs)
	assert.Contains(t, out, "9 lessons, checked")
	assert.Contains(t, out, "What was there before is kept as")
}

// A first start that is killed leaves the whole demo shelf, or none that the next
// start does not fill.
func TestTheDemoShelfIsMadeWholeOrNotAtAll(t *testing.T) {
	t.Parallel()
	r := proptest.Random(9)
	for range 12 {
		data := filepath.Join(t.TempDir(), "demo.db")
		killedSoon(t, time.Duration(r.IntN(120))*time.Millisecond, "demo", "--data", data, "--port", "0")
		app := serve(t, data)
		var shelf struct{ Lessons []struct{ ID string } }
		get(t, app.url+"/api/lessons", &shelf)
		require.Len(t, shelf.Lessons, 9)
		require.NoError(t, app.cmd.Process.Signal(os.Interrupt))
		require.NoError(t, app.cmd.Wait())
	}
}

func TestAKilledMigrationStartsAgain(t *testing.T) {
	t.Parallel()
	raw, err := os.ReadFile("../../testdata/store/format1.sqlite")
	require.NoError(t, err)
	r := proptest.Random(10)
	for range 10 {
		data := filepath.Join(t.TempDir(), "old.db")
		require.NoError(t, os.WriteFile(data, raw, 0o600))
		killedSoon(t, time.Duration(r.IntN(80))*time.Millisecond, "serve", "--data", data, "--port", "0")
		app := serve(t, data)
		var doc struct{ Rev int }
		get(t, app.url+"/api/lessons/bulbs", &doc)
		require.Equal(t, 13, doc.Rev)
		require.NoError(t, app.cmd.Process.Signal(os.Interrupt))
		require.NoError(t, app.cmd.Wait())
	}
}

// A file that cannot grow stands for a full disk.
func TestAFullDiskIsSaidAndLosesNothing(t *testing.T) {
	t.Parallel()
	data := filepath.Join(t.TempDir(), "full.db")
	first := serve(t, data)
	require.NoError(t, first.cmd.Process.Signal(os.Interrupt))
	require.NoError(t, first.cmd.Wait())
	limited := limitedTo(400, command(t, "serve", "--data", data, "--port", "0"))
	var log bytes.Buffer
	limited.Stderr = &log
	app := started(t, limited)
	lesson := `{"format":2,"title":"Large","words":{},"scenes":[],"objective":"` + strings.Repeat("bulb ", 390) + `"}`
	made, full := 0, ""
	for n := range 400 {
		req, err := http.NewRequest("PUT", fmt.Sprintf("%s/api/lessons/large-%05d", app.url, n), strings.NewReader(lesson))
		require.NoError(t, err)
		res, err := http.DefaultClient.Do(req)
		require.NoError(t, err)
		raw, err := io.ReadAll(res.Body)
		require.NoError(t, err)
		_ = res.Body.Close()
		if res.StatusCode != 201 {
			require.Equal(t, 507, res.StatusCode, string(raw))
			full = string(raw)
			break
		}
		made++
	}
	assert.Contains(t, full, "The server's disk is full. Nothing was changed; make room on it.")
	require.NoError(t, app.cmd.Process.Kill())
	_ = app.cmd.Wait()
	assert.Contains(t, log.String(), `"level":"ERROR","msg":"store"`, "it is logged, though nobody asked for a log")
	again := serve(t, data)
	var shelf struct{ Lessons []struct{ Title string } }
	get(t, again.url+"/api/lessons", &shelf)
	assert.Len(t, shelf.Lessons, 9+made)
	// Where there is no room for a backup, that is said of the backup, and none is left half written.
	folder := t.TempDir()
	said, err := limitedTo(100, command(t, "backup", "--data", data, filepath.Join(folder, "b.db"))).CombinedOutput()
	require.Error(t, err)
	assert.Regexp(t, `The backup ".*b\.db" cannot be written: the disk is full\. Make room there`, string(said))
	left, err := os.ReadDir(folder)
	require.NoError(t, err)
	assert.Empty(t, left)
}

// limitedTo lets a command write no file longer than so many blocks of 512 bytes.
func limitedTo(blocks int, c *exec.Cmd) *exec.Cmd {
	limit := fmt.Sprintf(`ulimit -f %d; exec "$@"`, blocks)
	c.Path, c.Args = "/bin/sh", append([]string{"sh", "-c", limit, "sh"}, c.Args...)
	return c
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
	req, err := http.NewRequestWithContext(ctx, "GET", app.url+"/api/lessons/"+lessonWith(t, app.url,
		"loose")+"/events?holder=x", nil)
	require.NoError(t, err)
	res, err := http.DefaultClient.Do(req)
	require.NoError(t, err)
	defer res.Body.Close()
	require.NoError(t, app.cmd.Process.Signal(os.Interrupt))
	require.NoError(t, app.cmd.Wait())
}

func TestLicencesOfAllPartsArePrinted(t *testing.T) {
	t.Parallel()
	out, errs, status := runs(t, "", "licences")
	if _, built := web.Files(); !built {
		assert.Equal(t, 1, status)
		assert.Contains(t, errs, "make build")
		return
	}
	require.Zero(t, status, errs)
	mod, err := os.ReadFile("../../go.mod")
	require.NoError(t, err)
	for _, part := range []string{"github.com/gin-gonic/gin ", "gorm.io/gorm ", "modernc.org/sqlite "} {
		require.Contains(t, string(mod), part)
		assert.Contains(t, out, "\n"+part)
	}
	var page struct{ Dependencies map[string]string }
	text, err := os.ReadFile("../../package.json")
	require.NoError(t, err)
	require.NoError(t, json.Unmarshal(text, &page))
	require.NotEmpty(t, page.Dependencies)
	for name := range page.Dependencies {
		assert.Contains(t, out, "\n"+name+" ")
	}
	assert.Contains(t, out, "SIL OPEN FONT LICENSE")
	assert.Contains(t, out, "\nThe Go programming language\n")
}
