package server_test

import (
	"bufio"
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"net/http/httptest"
	"os"
	"path/filepath"
	"regexp"
	"slices"
	"strings"
	"sync"
	"testing"
	"testing/fstest"
	"time"

	"github.com/gin-gonic/gin"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/lesson"
	"unitbloom/internal/server"
	"unitbloom/internal/store"
)

const lessonFile = `{"format":2,"id":"","title":"Bulbs","words":{},"scenes":[{"id":"a","title":"A",` +
	`"start":{"models":[{"kind":"blocks","pieces":[{"place":"ones","count":13}]}]}}]}`

func start(t testing.TB, c server.Config) (*httptest.Server, *store.Store) {
	db, err := store.Open(filepath.Join(t.TempDir(), "test.db"), nil)
	require.NoError(t, err)
	srv, err := server.New(db, c)
	require.NoError(t, err)
	ts := httptest.NewServer(srv.Handler())
	t.Cleanup(func() { ts.Close(); _ = db.Close() })
	return ts, db
}

type reply struct {
	status int
	body   string
	header http.Header
}

func send(t testing.TB, method, url, body string, headers ...string) reply {
	t.Helper()
	req, err := http.NewRequestWithContext(context.Background(), method, url, strings.NewReader(body))
	require.NoError(t, err)
	for i := 0; i+1 < len(headers); i += 2 {
		if headers[i] == "Host" {
			req.Host = headers[i+1]
		}
		req.Header.Set(headers[i], headers[i+1])
	}
	res, err := http.DefaultClient.Do(req)
	require.NoError(t, err)
	defer res.Body.Close()
	raw, err := io.ReadAll(res.Body)
	require.NoError(t, err)
	return reply{res.StatusCode, string(raw), res.Header}
}

func sampleLesson(t testing.TB, id string) lesson.Lesson {
	l, err := lesson.Import([]byte(lessonFile))
	require.NoError(t, err)
	l.ID = id
	return l
}

func create(t testing.TB, url string) string {
	r := send(t, "POST", url+"/api/lessons", lessonFile)
	require.Equal(t, 201, r.status, r.body)
	var out struct{ ID string }
	require.NoError(t, json.Unmarshal([]byte(r.body), &out))
	return out.ID
}

func saveBody(operation string, base int, holder string) string {
	return fmt.Sprintf(`{"operation":%q,"base":%d,"holder":%q,"edits":[{"kind":"play","scene":"a",`+
		`"moves":[{"kind":"place","amount":"1 ten"}]}]}`, operation, base, holder)
}

func TestALessonsLife(t *testing.T) {
	ts, _ := start(t, server.Config{Version: "9"})
	id := create(t, ts.URL)
	at := ts.URL + "/api/lessons/" + id

	assert.Contains(t, send(t, "GET", ts.URL+"/api/lessons", "").body, `"title":"Bulbs"`)
	r := send(t, "POST", at+"/saves", saveBody("one", 1, "t1"))
	assert.Equal(t, 200, r.status)
	assert.JSONEq(t, `{"operation":"one","rev":2}`, r.body, "an acknowledgement names its operation")
	assert.JSONEq(t, `{"operation":"one","rev":2}`, send(t, "POST", at+"/saves", saveBody("one", 1, "t1")).body)
	other := strings.Replace(saveBody("one", 1, "t1"), "1 ten", "2 tens", 1)
	r = send(t, "POST", at+"/saves", other)
	assert.Equal(t, 409, r.status)
	assert.Contains(t, r.body, `"code":"other"`)
	r = send(t, "POST", at+"/saves", saveBody("two", 1, "t1"))
	assert.Equal(t, 409, r.status)
	assert.Contains(t, r.body, `"code":"stale"`)
	assert.Contains(t, r.body, `"rev":2`)

	file := send(t, "GET", at+"/file", "")
	assert.Contains(t, file.header.Get("Content-Disposition"), "lesson.json")
	again := send(t, "POST", ts.URL+"/api/lessons", file.body)
	require.Equal(t, 201, again.status, again.body)
	var copied struct{ ID string }
	require.NoError(t, json.Unmarshal([]byte(again.body), &copied))
	first := send(t, "GET", at, "").body
	second := send(t, "GET", ts.URL+"/api/lessons/"+copied.ID, "").body
	assert.Equal(t, document(t, first, id), document(t, second, copied.ID), "what is taken away and brought back is equal")

	assert.Equal(t, 204, send(t, "DELETE", at, "").status)
	assert.Equal(t, 404, send(t, "GET", at, "").status)
	assert.Equal(t, 204, send(t, "POST", at+"/restore", "").status)
	assert.Equal(t, 200, send(t, "GET", at, "").status)
	assert.Contains(t, send(t, "GET", ts.URL+"/healthz", "").body, `"version":"9"`)
}

func TestALessonIsMadeOnceUnderTheIdOfItsDevice(t *testing.T) {
	ts, _ := start(t, server.Config{})
	at := ts.URL + "/api/lessons/made-here-1"
	for range 2 {
		r := send(t, "PUT", at, lessonFile)
		require.Equal(t, 201, r.status, r.body)
		assert.JSONEq(t, `{"id":"made-here-1","title":"Bulbs","rev":1}`, r.body)
	}
	require.Equal(t, 200, send(t, "POST", at+"/saves", saveBody("one", 1, "t1")).status)
	assert.Contains(t, send(t, "PUT", at, lessonFile).body, `"rev":2`)
	r := send(t, "PUT", at, strings.Replace(lessonFile, "Bulbs", "Seeds", 1))
	assert.Equal(t, 409, r.status)
	assert.Contains(t, r.body, `"code":"other"`)
	assert.Contains(t, send(t, "GET", at, "").body, `"title":"Bulbs"`)
}

func TestFaultsOfAFileAreListedShortly(t *testing.T) {
	ts, _ := start(t, server.Config{})
	moves := strings.Repeat(`{"kind":"`+strings.Repeat("k", 900)+`"},`, 300)
	file := strings.Replace(lessonFile, `"title":"A"`, `"title":"A","steps":[{"moves":[`+strings.TrimSuffix(moves,
		",")+`]}]`, 1)
	r := send(t, "POST", ts.URL+"/api/lessons", file)
	require.Equal(t, 422, r.status)
	var out struct {
		Error struct {
			Text   string
			Faults []struct{ Path, Reason string }
		}
	}
	require.NoError(t, json.Unmarshal([]byte(r.body), &out))
	assert.Len(t, out.Error.Faults, 20)
	assert.Equal(t, "scenes[0].steps[0].moves[0].kind", out.Error.Faults[0].Path)
	assert.Less(t, len(r.body), 12_000)
}

func TestStreamsAreLimited(t *testing.T) {
	ts, _ := start(t, server.Config{})
	at := ts.URL + "/api/lessons/" + create(t, ts.URL)
	for range 20 {
		_, stop := listener(t, at, "one")
		defer stop()
	}
	r := send(t, "GET", at+"/events", "")
	assert.Equal(t, 429, r.status)
	assert.Contains(t, r.body, "Too many pages")

	s := newSchool(t, server.Config{}, "Alder")
	ts = s.Server
	cookie := cookieOf(t, s.teachers["Alder"])
	other := newBrowser(t, ts.URL)
	other.do("POST", "/api/session", signIn("Alder", words+"Alder"), 200)
	again := cookieOf(t, other)
	made := send(t, "PUT", ts.URL+"/api/lessons/streamed", lessonFile, "Cookie", cookie)
	require.Equal(t, 201, made.status)
	listen := func(cookie string) int {
		req, err := http.NewRequestWithContext(t.Context(), "GET", ts.URL+"/api/lessons/streamed/events", nil)
		require.NoError(t, err)
		req.Header.Set("Cookie", cookie)
		res, err := http.DefaultClient.Do(req)
		require.NoError(t, err)
		t.Cleanup(func() { res.Body.Close() })
		return res.StatusCode
	}
	for range 8 {
		require.Equal(t, 200, listen(cookie))
	}
	assert.Equal(t, 429, listen(cookie))
	assert.Equal(t, 200, listen(again), "another browser is not kept out")
}

// costly are bodies that are as hard to check as they can be, each nearly as long as
// is taken.
func costly() map[string]string {
	scene := func(rest string) string {
		return `{"format":2,"title":"T","words":{},"scenes":[{"id":"a","title":"A","start":{"models":[{"kind":"rack",` +
			`"rows":[6,8]}]},` + rest + `}]}`
	}
	fill := func(one string, n int) string {
		return strings.TrimSuffix(strings.Repeat(one+",", min(n, (8<<20-400)/(len(one)+1))), ",")
	}
	steps := func(moves string, n int) string {
		return scene(`"steps":[` + fill(`{"moves":[`+moves+`]}`, n) + `]`)
	}
	deep := strings.Repeat(`{"a":`, 9000) + "1" + strings.Repeat("}", 9000)
	return map[string]string{
		"unknown moves":      steps(fill(`{"kind":"x"}`, 2000), 500),
		"known moves":        steps(fill(`{"kind":"tidy"}`, 2000), 500),
		"wrong fields":       steps(fill(`{"kind":"take","pieces":[{"place":"ones","x":1}]}`, 1000), 500),
		"moves to the limit": steps(fill(`{"kind":"tidy"}`, 390), 500),
		"too many moves":     steps(fill(`{"kind":"x"}`, 390), 500),
		"points to the limit": scene(`"ink":[` +
			fill(`{"id":"s","tool":"pen","colour":"ink","width":1,"on":{},"points":[`+fill("[123,45]", 1900)+`]}`, 480) + `]`),
		"many moves in one": steps(fill(`{"kind":"x"}`, 9_000_000), 1),
		"steps":             scene(`"steps":[` + fill(`{}`, 9_000_000) + `]`),
		"record of numbers": `{"format":2,"title":"T","words":{},"scenes":[],"record":[` + fill("1", 9_000_000) + `]}`,
		"record of lines": `{"format":2,"title":"T","words":{},"scenes":[],"record":[` + fill(`{"text":""}`, 9_000_000) +
			`]}`,
		"scenes": `{"format":2,"title":"T","words":{},"scenes":[` + fill(`{}`, 9_000_000) + `]}`,
		"ink": scene(`"ink":[` +
			fill(`{"id":"s","tool":"pen","colour":"ink","width":1,"on":{},"points":[[1,1],[2,2]]}`, 9_000_000) + `]`),
		"points": scene(`"ink":[{"id":"s","tool":"pen","colour":"ink","width":1,"on":{},"points":[` +
			fill("[1,1]", 9_000_000) + `]}]`),
		"pieces": scene(`"notes":[]`)[:70] + `{"kind":"blocks","pieces":[` +
			fill(`{"place":"ones","count":1}`, 9_000_000) + `]}]}}]}`,
		"a long key":   `{"format":2,"title":"T","words":{},"` + strings.Repeat("k", 7<<20) + `":1,"scenes":[]}`,
		"unknown keys": `{"format":2,"title":"T","words":{},` + fill(`"k":1`, 9_000_000) + `}`,
		"values of messages": scene(`"steps":[{"say":{"id":"x","values":[` + fill(`{"name":"a","role":"b"}`, 9_000_000) +
			`]}}]`),
		"deep":               `{"format":2,"title":"T","words":` + deep + `,"scenes":[]}`,
		"nothing but braces": strings.Repeat("[", 8<<20-10),
		"a newer format":     strings.Replace(steps(fill(`{"kind":"tidy"}`, 2000), 500), `"format":2`, `"format":3`, 1),
		"slots":              steps(`{"kind":"take","pieces":[{"place":"ones","slots":[`+fill("1", 1_000_000)+`]}]}`, 3),
		"texts":              scene(`"steps":[` + fill(`{"say":"`+strings.Repeat("é", 3000)+`"}`, 500) + `]`),
	}
}

func TestCostlyBodiesAreAnswered(t *testing.T) {
	ts, _ := start(t, server.Config{})
	for name, body := range costly() {
		r := send(t, "POST", ts.URL+"/api/lessons", body)
		assert.Contains(t, []int{201, 400, 413, 422}, r.status, name)
		assert.Less(t, len(r.body), 12_000, name)
		save := `{"operation":"` + fmt.Sprint(len(name)) + `","base":1,"edits":` + body + `}`
		if len(save) < 8<<20 {
			r = send(t, "POST", ts.URL+"/api/lessons/nowhere-at-all/saves", save)
			assert.Contains(t, []int{400, 404, 422}, r.status, name)
		}
	}
	assert.Equal(t, 200, send(t, "GET", ts.URL+"/healthz", "").status)
}

func BenchmarkCostlyBody(b *testing.B) {
	ts, _ := start(b, server.Config{})
	for name, body := range costly() {
		b.Run(name, func(b *testing.B) {
			b.ReportAllocs()
			for b.Loop() {
				send(b, "POST", ts.URL+"/api/lessons", body)
			}
		})
	}
}

// Lessons with a long record, each with a writer of its own.
func BenchmarkSavesByFiveWriters(b *testing.B) {
	ts, _ := start(b, server.Config{})
	line := `{"text":"bulbs are planted in the bed by the long wall, in rows of ten and of five"},`
	file := strings.Replace(lessonFile, `"format":2`, `"format":2,"record":[`+
		strings.TrimSuffix(strings.Repeat(line, 1900), ",")+`]`, 1)
	at := make([]string, 5)
	for i := range at {
		var made struct{ ID string }
		require.NoError(b, json.Unmarshal([]byte(send(b, "POST", ts.URL+"/api/lessons", file).body), &made))
		at[i] = ts.URL + "/api/lessons/" + made.ID + "/saves"
	}
	for rev := 1; b.Loop(); rev++ {
		var writers sync.WaitGroup
		for i := range at {
			writers.Go(func() {
				r := send(b, "POST", at[i], saveBody(fmt.Sprint(i, "-", rev), rev, fmt.Sprint("t", i)))
				assert.Equal(b, 200, r.status, r.body)
			})
		}
		writers.Wait()
	}
}

func TestANewerLessonIsKeptAsItCameAndNeverWrittenOver(t *testing.T) {
	ts, _ := start(t, server.Config{})
	file := strings.Replace(lessonFile, `"format":2`, `"format":9,"mood":"bright"`, 1)
	r := send(t, "POST", ts.URL+"/api/lessons", file)
	require.Equal(t, 201, r.status, r.body)
	var made struct{ ID string }
	require.NoError(t, json.Unmarshal([]byte(r.body), &made))
	at := ts.URL + "/api/lessons/" + made.ID
	kept := send(t, "GET", at+"/file", "").body
	assert.JSONEq(t, strings.Replace(file, `"id":""`, `"id":"`+made.ID+`"`, 1), kept)
	r = send(t, "POST", at+"/saves", saveBody("one", 1, "t1"))
	assert.Equal(t, 422, r.status)
	assert.Contains(t, r.body, "from a newer version and is only read here")
	assert.Equal(t, kept, send(t, "GET", at+"/file", "").body)
	assert.Contains(t, send(t, "GET", ts.URL+"/api/lessons", "").body, `"title":"Bulbs"`)
}

func document(t *testing.T, body, id string) string {
	var out struct{ Lesson json.RawMessage }
	require.NoError(t, json.Unmarshal([]byte(body), &out))
	return strings.Replace(string(out.Lesson), id, "", 1)
}

func TestBadInputIsAnsweredAndChangesNothing(t *testing.T) {
	ts, _ := start(t, server.Config{})
	id := create(t, ts.URL)
	at := ts.URL + "/api/lessons/" + id
	before := send(t, "GET", at, "").body
	for _, c := range []struct {
		method, url, body string
		status            int
		says              string
	}{
		{"POST", ts.URL + "/api/lessons", `{`, 422, "this is not JSON"},
		{"POST", ts.URL + "/api/lessons", strings.Replace(lessonFile, "13", "0", 1), 422,
			"scenes[0].start.models[0]: pieces[0].count: 0 is not from 1 to 3000"},
		{"POST", ts.URL + "/api/lessons", `{"format":9}`, 422, "newer version"},
		{"POST", ts.URL + "/api/lessons", strings.Repeat("x", 9<<20), 413, "larger than 8 MB"},
		{"POST", at + "/saves", `{"operation":"","base":1}`, 400, "operation id"},
		{"POST", at + "/saves", `{"operation":"a","base":"one"}`, 400, "cannot be read"},
		{"POST", at + "/saves",
			`{"operation":"a","base":1,"edits":[{"kind":"play","scene":"a","moves":[{"kind":"bundle","place":"tens"}]}]}`, 422,
			"edits[0].play: moves: move 1 (bundle): 0 tens here. A hundred needs 10 more."},
		{"POST", at + "/saves",
			`{"operation":"a","base":1,"edits":[{"kind":"play","scene":"a","moves":[{"kind":"explode"}]}]}`, 422,
			"There is no move called"},
		{"POST", at + "/hold", `{}`, 400, "holder"},
		{"POST", at + "/saves", `{"operation":"a","base":1,"format":9,"edits":[]}`, 422, "It stays on the device."},
		{"POST", at + "/saves",
			`{"operation":"a","base":1,"edits":[{"kind":"play","scene":"a","moves":[{"kind":"take","place":"ones"}]}]}`, 422,
			`\"place\": there is no such field. Those of take are pieces.`},
		{"POST", ts.URL + "/api/lessons/nowhere-at-all/hold", `{"holder":"t1"}`, 404, "There is no such lesson"},
		{"GET", ts.URL + "/api/lessons/nowhere-at-all/events", "", 404, "There is no such lesson"},
		{"PUT", ts.URL + "/api/lessons/A%20B", lessonFile, 400, "8 to 64 letters"},
		{"GET", ts.URL + "/api/lessons/nowhere", "", 404, "There is no such lesson"},
		{"GET", ts.URL + "/api/nothing", "", 404, "There is nothing at /api/nothing"},
	} {
		r := send(t, c.method, c.url, c.body)
		assert.Equal(t, c.status, r.status, r.body)
		assert.Contains(t, r.body, c.says)
		assert.NotEmpty(t, r.header.Get("X-Request-Id"))
	}
	assert.Equal(t, before, send(t, "GET", at, "").body)
}

func TestHostileTextIsKeptAsText(t *testing.T) {
	ts, _ := start(t, server.Config{})
	hostile := `<script>alert(1)</script>\"'; DROP TABLE lessons; -- \u0000 \u202e`
	r := send(t, "POST", ts.URL+"/api/lessons", strings.Replace(lessonFile, `"Bulbs"`, `"`+hostile+`"`, 1))
	require.Equal(t, 201, r.status, r.body)
	shelf := send(t, "GET", ts.URL+"/api/lessons", "")
	assert.Contains(t, shelf.header.Get("Content-Type"), "application/json")
	assert.Contains(t, shelf.body, `DROP TABLE lessons`)
	assert.NotContains(t, shelf.body, "<script>")
}

func TestOtherSitesAndNamesAreKeptOut(t *testing.T) {
	ts := newSchool(t, server.Config{Names: []string{"maths.school"}}, "Alder")
	cookie := cookieOf(t, ts.teachers["Alder"])
	shelf := ts.URL + "/api/lessons"
	for _, c := range []struct {
		method, header, value string
		status                int
	}{
		{"GET", "Host", "evil.example", 421},
		{"GET", "Host", "maths.school", 200},
		{"POST", "Origin", "http://evil.example", 403},
		{"POST", "Origin", "null", 403},
		{"POST", "Origin", ts.URL, 201},
	} {
		got := send(t, c.method, shelf, lessonFile, "Cookie", cookie, c.header, c.value)
		assert.Equal(t, c.status, got.status, "%s %s", c.header, c.value)
	}
	csp := send(t, "GET", ts.URL+"/", "").header.Get("Content-Security-Policy")
	assert.Contains(t, csp, "script-src 'self' 'wasm-unsafe-eval';")
}

func TestAServerAnswersToItsNames(t *testing.T) {
	s := newSchool(t, server.Config{}, "Alder")
	cookie := cookieOf(t, s.teachers["Alder"])
	assert.Equal(t, 200, send(t, "GET", s.URL+"/api/lessons", "", "Cookie", cookie, "Host", "192.168.1.20:8080").status)
	assert.Equal(t, 421, send(t, "GET", s.URL+"/api/lessons", "", "Cookie", cookie, "Host", "evil.example").status)
	assert.Equal(t, 401, send(t, "GET", s.URL+"/api/lessons", "", "Cookie", "unitbloom=guess").status)
}

// listener reads the events of a lesson as a tab does.
func listener(t *testing.T, url, holder string) (next func() string, stop func()) {
	ctx, cancel := context.WithCancel(context.Background())
	req, err := http.NewRequestWithContext(ctx, "GET", url+"/events?holder="+holder, nil)
	require.NoError(t, err)
	res, err := http.DefaultClient.Do(req)
	require.NoError(t, err)
	lines := make(chan string, 16)
	go func() {
		defer res.Body.Close()
		for sc := bufio.NewScanner(res.Body); sc.Scan(); {
			if text, ok := strings.CutPrefix(sc.Text(), "data: "); ok {
				lines <- text
			}
		}
	}()
	return func() string {
		select {
		case line := <-lines:
			return line
		case <-time.After(5 * time.Second):
			return "nothing"
		}
	}, cancel
}

func TestTwoTabsTakeTurns(t *testing.T) {
	ts, _ := start(t, server.Config{})
	at := ts.URL + "/api/lessons/" + create(t, ts.URL)
	hold := func(holder string, take bool) string {
		return send(t, "POST", at+"/hold", fmt.Sprintf(`{"holder":%q,"take":%t}`, holder, take)).body
	}
	first, stopFirst := listener(t, at, "one")
	second, stopSecond := listener(t, at, "two")
	defer stopSecond()
	assert.JSONEq(t, `{"held":true}`, hold("one", false))
	assert.Equal(t, "held one", second())
	assert.Equal(t, "held one", first())
	assert.JSONEq(t, `{"held":false}`, hold("two", false), "the second only reads")

	require.Equal(t, 200, send(t, "POST", at+"/saves", saveBody("a", 1, "one")).status)
	assert.Equal(t, "rev 2", second())
	assert.JSONEq(t, `{"held":true}`, hold("two", true))
	assert.Equal(t, "held two", first(), "the first is told")

	r := send(t, "POST", at+"/saves", saveBody("b", 2, "one"))
	assert.Equal(t, 409, r.status)
	assert.Contains(t, r.body, "another tab")
	assert.JSONEq(t, `{"operation":"a","rev":2}`, send(t, "POST", at+"/saves", saveBody("a", 1, "one")).body,
		"what was made is acknowledged again")
	assert.Equal(t, 200, send(t, "POST", at+"/saves", saveBody("c", 2, "two")).status)

	send(t, "POST", at+"/hold", `{"holder":"two","release":true}`)
	assert.Equal(t, "rev 3", first())
	assert.Equal(t, "free", first())
	stopFirst()
}

func TestFilesAreServedSmallAndFresh(t *testing.T) {
	files := fstest.MapFS{
		"index.html":             {Data: []byte("<html>")},
		"build.txt":              {Data: []byte("abc\n")},
		"assets/core-1.wasm":     {Data: bytes.Repeat([]byte("w"), 99)},
		"assets/core-1.wasm.gz":  {Data: []byte("gz")},
		"assets/core-1.wasm.br":  {Data: []byte("br")},
		"assets/figtree-1.woff2": {Data: []byte("font")},
	}
	ts, _ := start(t, server.Config{Files: files})
	br := send(t, "GET", ts.URL+"/assets/core-1.wasm", "", "Accept-Encoding", "gzip, br")
	assert.Equal(t, []string{"br", "application/wasm", "br"},
		[]string{br.body, br.header.Get("Content-Type"), br.header.Get("Content-Encoding")})
	assert.Contains(t, br.header.Get("Cache-Control"), "immutable")
	assert.Equal(t, "gz", send(t, "GET", ts.URL+"/assets/core-1.wasm", "", "Accept-Encoding", "gzip").body)
	assert.Len(t, send(t, "GET", ts.URL+"/assets/core-1.wasm", "", "Accept-Encoding", "identity").body, 99)
	assert.Equal(t, "font/woff2", send(t, "GET", ts.URL+"/assets/figtree-1.woff2", "").header.Get("Content-Type"))
	assert.Equal(t, 404, send(t, "GET", ts.URL+"/assets/core-0.wasm", "").status)
	page := send(t, "GET", ts.URL+"/lesson/x/present", "")
	assert.Equal(t, "<html>", page.body)
	assert.Equal(t, "no-cache", page.header.Get("Cache-Control"))
	assert.Equal(t, "abc", send(t, "GET", ts.URL+"/api/version", "").header.Get("X-Unitbloom-Build"))

	bare, _ := start(t, server.Config{})
	r := send(t, "GET", bare.URL+"/", "")
	assert.Equal(t, 503, r.status)
	assert.Contains(t, r.body, "without its front end")
}

// docs/http.md is the page for those who write beside us: its tables name every route
// and every code, and no others.
func TestThePageAboutHTTPIsTrue(t *testing.T) {
	page, err := os.ReadFile("../../docs/http.md")
	require.NoError(t, err)
	db, err := store.Open(filepath.Join(t.TempDir(), "test.db"), nil)
	require.NoError(t, err)
	defer db.Close()
	srv, err := server.New(db, server.Config{})
	require.NoError(t, err)
	var routes, codes []string
	for _, r := range srv.Handler().(*gin.Engine).Routes() {
		routes = append(routes, r.Method+" "+r.Path)
	}
	sources, err := filepath.Glob("*.go")
	require.NoError(t, err)
	said := regexp.MustCompile(`(?:fail\(c, http\.\w+,|return http\.\w+,|"code":)\s*"([a-z-]+)"`)
	for _, path := range sources {
		if strings.HasSuffix(path, "_test.go") {
			continue
		}
		source, err := os.ReadFile(path)
		require.NoError(t, err)
		for _, m := range said.FindAllStringSubmatch(string(source), -1) {
			codes = append(codes, m[1])
		}
	}
	inPage := func(row, item string) (found []string) {
		for _, line := range regexp.MustCompile(row).FindAllStringSubmatch(string(page), -1) {
			for _, m := range regexp.MustCompile(item).FindAllStringSubmatch(line[1], -1) {
				found = append(found, m[1])
			}
		}
		return found
	}
	assert.ElementsMatch(t, routes, inPage(`(?m)^\| (`+"`[A-Z]+ /[^|]+) +\\|", "`([^`]+)`"))
	slices.Sort(codes)
	documented := inPage(`(?m)^\| \d+ +\| ([^|]+) \|`, "`([^`]+)`")
	slices.Sort(documented)
	assert.Equal(t, slices.Compact(codes), slices.Compact(documented))
}
