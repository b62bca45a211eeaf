package server_test

import (
	"archive/zip"
	"encoding/json"
	"fmt"
	"io"
	"maps"
	"net/http"
	"net/http/cookiejar"
	"net/http/httptest"
	"path/filepath"
	"strconv"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/internal/people"
	"unitbloom/internal/server"
	"unitbloom/internal/store"
)

// browser is a person's: it keeps its cookies.
type browser struct {
	t    testing.TB
	url  string
	http *http.Client
	// agent is what it says it is.
	agent string
}

func newBrowser(t testing.TB, url string) browser {
	jar, err := cookiejar.New(nil)
	require.NoError(t, err)
	return browser{t: t, url: url, http: &http.Client{Jar: jar}}
}

// do sends a body as JSON and reads the answer into a map; a status that is not wanted fails.
func (b browser) do(method, path string, body any, want int) map[string]any {
	b.t.Helper()
	raw, err := json.Marshal(body)
	require.NoError(b.t, err)
	req, err := http.NewRequestWithContext(b.t.Context(), method, b.url+path, strings.NewReader(string(raw)))
	require.NoError(b.t, err)
	req.Header.Set("User-Agent", b.agent)
	res, err := b.http.Do(req)
	require.NoError(b.t, err)
	defer res.Body.Close()
	out := map[string]any{}
	if res.StatusCode != http.StatusNoContent {
		require.NoError(b.t, json.NewDecoder(res.Body).Decode(&out))
	}
	require.Equal(b.t, want, res.StatusCode, "%s %s: %v", method, path, out)
	return out
}

// classroom is a class of three with its code open, and 54 set to be shown with blocks.
type classroom struct {
	teacher   browser
	class     string
	code      string
	pupils    map[string]string
	set       string
	store     *store.Store
	newDevice func() browser
}

const show54 = `{"format":2,"id":"","title":"Bags","words":{},"scenes":[{"id":"a","title":"A",` +
	`"start":{"models":[{"kind":"blocks","pieces":[{"place":"tens","count":5},{"place":"ones","count":4}]}]}}]}`

func newClassroom(t testing.TB) classroom {
	ts, db := start(t, server.Config{})
	return classroomAt(t, ts, db, "fewest")
}

func classroomAt(t testing.TB, ts *httptest.Server, db *store.Store, pieces string) classroom {
	return classroomOf(t, newBrowser(t, ts.URL), db, pieces)
}

func classroomOf(t testing.TB, teacher browser, db *store.Store, pieces string) classroom {
	r := classroom{teacher: teacher, pupils: map[string]string{}, store: db,
		newDevice: func() browser { return newBrowser(t, teacher.url) }}
	made := r.teacher.do("POST", "/api/classes", map[string]any{"name": "Bulbs", "names": "Mirren\nJorn, Evi"}, 201)
	r.class, r.code = made["id"].(string), made["code"].(string)
	view := r.teacher.do("PATCH", "/api/classes/"+r.class, map[string]any{"open": true}, 200)
	for _, p := range view["pupils"].([]any) {
		pupil := p.(map[string]any)
		r.pupils[pupil["name"].(string)] = pupil["id"].(string)
	}
	set := r.teacher.do("POST", "/api/classes/"+r.class+"/sets", map[string]any{"title": "Show it",
		"lesson": json.RawMessage(show54), "kinds": []string{"build"}, "pieces": pieces, "help": "hint"}, 201)
	r.set = set["id"].(string)
	return r
}

// seat is a child's device at her tile.
type seat struct {
	browser
	pupil, set, ticket, attempt string
}

func (r classroom) sit(name string) seat {
	d := r.newDevice()
	d.do("POST", "/api/desk/sit", map[string]any{"code": r.code, "pupil": r.pupils[name]}, 204)
	s := seat{d, r.pupils[name], r.set, "", people.NewToken()}
	opened := d.do("POST", "/api/desk/open", map[string]any{"set": r.set, "attempts": []string{s.attempt}}, 200)
	s.ticket = opened["tickets"].([]any)[0].(string)
	return s
}

func (s *seat) body(board string) map[string]any {
	return map[string]any{"set": s.set, "pupil": s.pupil, "with": "", "task": 0, "attempt": s.attempt, "ticket": s.ticket,
		"answer": map[string]string{"board": board}, "next": people.NewToken()}
}

// handIn hands a board in, and goes on to the next attempt.
func (s *seat) handIn(board string) map[string]any {
	body := s.body(board)
	out := s.do("POST", "/api/handins", body, 200)
	s.attempt, s.ticket = body["next"].(string), out["ticket"].(string)
	return out["verdict"].(map[string]any)
}

func TestAHandInIsReplayed(t *testing.T) {
	r := newClassroom(t)
	mirren := r.sit("Mirren")
	laid := func(blank, board string) map[string]string { return map[string]string{"blank": blank, "board": board} }
	body := mirren.body("blocks 5t 4o")
	body["trail"] = []any{laid("board", "blocks 4t"), laid("board", "blocks 4t 14o"), laid("board", "no board"),
		laid("elsewhere", "blocks 1o"), laid("board", "blocks 5t 4o")}
	mirren.do("POST", "/api/handins", body, 200)
	replayOf := func(attempt string) []any {
		return r.teacher.do("GET", "/api/sets/"+r.set+"/attempts/"+attempt+"/replay", nil, 200)["steps"].([]any)
	}
	pieces := []int{}
	for _, step := range replayOf(mirren.attempt) {
		view := step.(map[string]any)["view"].(map[string]any)
		model := view["models"].([]any)[0].(map[string]any)
		pieces = append(pieces, len(model["pieces"].([]any)))
	}
	assert.Equal(t, []int{4, 18, 9}, pieces, "in order; what cannot be read, or is of no blank, is left out")

	jorn := r.sit("Jorn")
	body = jorn.body("blocks 5t 4o")
	var long []any
	for n := range 250 {
		long = append(long, laid("board", fmt.Sprintf("blocks %do", n%9+1)))
	}
	body["trail"] = long
	jorn.do("POST", "/api/handins", body, 200)
	assert.Len(t, replayOf(jorn.attempt), 200, "the last ones")

	evi := r.sit("Evi")
	evi.do("POST", "/api/handins", evi.body("blocks 5t 4o"), 200)
	assert.Empty(t, replayOf(evi.attempt), "an earlier page kept none")

	wall := r.teacher.do("GET", "/api/sets/"+r.set+"/wall", nil, 200)
	assert.Equal(t, true, wall["tasks"].([]any)[0].(map[string]any)["lays"])
	r.teacher.do("GET", "/api/sets/other/attempts/"+evi.attempt+"/replay", nil, 404)
}

func TestAWholeRound(t *testing.T) {
	r := newClassroom(t)
	tablet := r.newDevice()
	tiles := tablet.do("POST", "/api/desk/door", map[string]any{"code": " " + strings.ToLower(r.code)}, 200)
	assert.Equal(t, "Bulbs", tiles["name"])
	assert.Len(t, tiles["tiles"], 3)

	mirren, jorn := r.sit("Mirren"), r.sit("Jorn")
	desk := mirren.do("GET", "/api/desk", nil, 200)
	face := desk["sets"].([]any)[0].(map[string]any)["tasks"].([]any)[0].(map[string]any)
	assert.Equal(t, "Show 54 with base-ten blocks. Use as few pieces as you can.", face["ask"])

	assert.Equal(t, map[string]any{"right": true}, mirren.handIn("blocks 5t 4o"))
	assert.Equal(t, map[string]any{"right": false}, jorn.handIn("blocks 4t 14o"), "the first time there is no question")
	hinted := map[string]any{"right": false, "hint": "Are there ten of any?", "at": "board"}
	assert.Equal(t, hinted, jorn.handIn("blocks 4t 14o"))
	set := r.teacher.do("GET", "/api/classes/"+r.class, nil, 200)["sets"].([]any)[0].(map[string]any)
	assert.InDelta(t, 2, set["turnout"], 0, "each child once, however often")
	assert.Equal(t, true, jorn.handIn("blocks 3t 24o")["calls"], "at the third the teacher is called")

	wall := r.teacher.do("GET", "/api/sets/"+r.set+"/wall", nil, 200)
	task := wall["tasks"].([]any)[0].(map[string]any)
	assert.EqualValues(t, 2, task["handed"], "the last hand-in of each child counts")
	assert.Len(t, task["groups"], 2)
	assert.Equal(t, []any{"Evi"}, wall["away"])
	assert.Equal(t, "Jorn", wall["asks"].([]any)[0].(map[string]any)["name"])

	// One is put up, without a name and then with it.
	group := task["groups"].([]any)[0].(map[string]any)
	attempt := group["who"].([]any)[0].(string)
	for _, named := range []bool{false, true} {
		r.teacher.do("PUT", "/api/classes/"+r.class+"/board", map[string]any{"attempts": []string{attempt}, "named": named},
			204)
		board := r.teacher.do("GET", "/api/classes/"+r.class+"/board", nil, 200)
		assert.Equal(t, map[string]any{"attempts": []any{attempt}, "named": named, "set": "", "task": 0.0}, board["up"])
		work := board["works"].([]any)[0].(map[string]any)
		assert.Equal(t, []any{"5 tens 4 ones"}, work["lines"])
		if named {
			assert.Equal(t, "Mirren", work["name"])
		} else {
			assert.NotContains(t, work, "name")
		}
		assert.NotContains(t, work, "right", "what is put up has no verdict")
	}

	r.teacher.do("POST", "/api/sets/"+r.set+"/attempts/"+attempt+"/back", map[string]any{"word": "Tell Evi how."}, 204)
	done := mirren.do("GET", "/api/desk", nil, 200)["sets"].([]any)[0].(map[string]any)["done"].([]any)[0].(map[string]any)
	assert.Equal(t, "Tell Evi how.", done["back"])
}

// A ticket hands in its own attempt, once: the same again is the same, another is refused.
func TestATicketIsForOneAttempt(t *testing.T) {
	r := newClassroom(t)
	mirren, jorn := r.sit("Mirren"), r.sit("Jorn")
	body := mirren.body("blocks 5t 4o")
	first := mirren.do("POST", "/api/handins", body, 200)
	assert.Equal(t, first, mirren.do("POST", "/api/handins", body, 200), "sent again it is kept once")
	body["answer"] = map[string]string{"board": "blocks 4t 14o"}
	other := mirren.do("POST", "/api/handins", body, 409)["error"].(map[string]any)
	assert.Equal(t, "other", other["code"])
	assert.Equal(t, first["ticket"], other["ticket"], "a page that did not hear of the first goes on as after it")

	for what, change := range map[string]map[string]any{
		"another child's name": {"pupil": r.pupils["Evi"]},
		"two names":            {"with": r.pupils["Evi"]},
		"another attempt":      {"attempt": people.NewToken()},
		"another task":         {"task": 1},
		"another ticket":       {"ticket": mirren.ticket},
		"a short name":         {"attempt": "1"},
	} {
		body := jorn.body("blocks 5t 4o")
		for k, v := range change {
			body[k] = v
		}
		out := jorn.do("POST", "/api/handins", body, 403)
		assert.NotEmpty(t, out["error"], what)
	}
	attempts, err := r.store.Attempts(r.set)
	require.NoError(t, err)
	assert.Len(t, attempts, 1)
}

// What was opened is handed in after signing out, a new code, the end of the set and a restart.
func TestWhatWasOpenedCanBeHandedIn(t *testing.T) {
	path := filepath.Join(t.TempDir(), "class.db")
	db, err := store.Open(path, nil)
	require.NoError(t, err)
	srv, err := server.New(db, server.Config{})
	require.NoError(t, err)
	ts := httptest.NewServer(srv.Handler())
	r := classroomAt(t, ts, db, "any")
	mirren := r.sit("Mirren")
	mirren.do("POST", "/api/desk/leave", nil, 204)
	mirren.do("GET", "/api/desk", nil, 401)
	r.teacher.do("PATCH", "/api/classes/"+r.class, map[string]any{"newCode": true, "open": false}, 200)
	r.teacher.do("PATCH", "/api/sets/"+r.set, map[string]any{"ended": true}, 200)
	ts.Close()
	require.NoError(t, db.Close())

	db, err = store.Open(path, nil)
	require.NoError(t, err)
	defer db.Close()
	srv, err = server.New(db, server.Config{})
	require.NoError(t, err)
	ts = httptest.NewServer(srv.Handler())
	defer ts.Close()
	mirren.url = ts.URL
	mirren.handIn("blocks 4t 14o")
	attempts, err := db.Attempts(r.set)
	require.NoError(t, err)
	require.Len(t, attempts, 1)
	assert.True(t, attempts[0].Late, "it says that it came late")
	assert.True(t, attempts[0].Right)
}

// A tile in use is not taken again unless the teacher frees it.
func TestATileIsTakenOnce(t *testing.T) {
	r := newClassroom(t)
	mirren := r.sit("Mirren")
	other := r.newDevice()
	body := map[string]any{"code": r.code, "pupil": r.pupils["Mirren"]}
	out := other.do("POST", "/api/desk/sit", body, 409)
	assert.Contains(t, out["error"].(map[string]any)["text"], "Mirren is at another device now.")
	r.teacher.do("PATCH", "/api/classes/"+r.class+"/pupils/"+r.pupils["Mirren"], map[string]any{"free": true}, 200)
	mirren.do("GET", "/api/desk", nil, 401)
	other.do("POST", "/api/desk/sit", body, 204)

	pair := r.newDevice()
	pair.do("POST", "/api/desk/sit", map[string]any{"code": r.code, "pupil": r.pupils["Jorn"], "with": r.pupils["Evi"]},
		204)
	assert.Len(t, pair.do("GET", "/api/desk", nil, 200)["people"], 2, "a device is shared by two: both names")
	both := seat{pair, r.pupils["Jorn"], r.set, "", people.NewToken()}
	both.ticket = pair.do("POST", "/api/desk/open", map[string]any{"set": r.set, "attempts": []string{both.attempt}},
		200)["tickets"].([]any)[0].(string)
	given := both.body("blocks 5t 4o")
	given["with"] = r.pupils["Evi"]
	pair.do("POST", "/api/handins", given, 200)
	done := r.teacher.do("GET", "/api/sets/"+r.set+"/wall", nil, 200)["tasks"].([]any)[0].(map[string]any)
	assert.EqualValues(t, 2, done["handed"], "and both have handed in")
	assert.EqualValues(t, 2, done["groups"].([]any)[0].(map[string]any)["children"])
	r.newDevice().do("POST", "/api/desk/sit", map[string]any{"code": r.code, "pupil": r.pupils["Evi"]}, 409)
}

// A code lets in while it is open, and those who guess wait.
func TestACodeIsNotGuessed(t *testing.T) {
	r := newClassroom(t)
	guess := r.newDevice()
	for range 5 {
		guess.do("POST", "/api/desk/door", map[string]any{"code": "BCDFGH"}, 404)
	}
	guess.do("POST", "/api/desk/door", map[string]any{"code": r.code}, 429)
	r.newDevice().do("POST", "/api/desk/door", map[string]any{"code": r.code}, 200)

	r.teacher.do("PATCH", "/api/classes/"+r.class, map[string]any{"open": false}, 200)
	r.newDevice().do("POST", "/api/desk/door", map[string]any{"code": r.code}, 404)
	now := r.teacher.do("PATCH", "/api/classes/"+r.class, map[string]any{"open": true, "newCode": true}, 200)
	assert.NotEqual(t, r.code, now["code"])
	r.newDevice().do("POST", "/api/desk/door", map[string]any{"code": r.code}, 404)
	r.newDevice().do("POST", "/api/desk/door", map[string]any{"code": now["code"]}, 200)
}

// A child's device reaches nothing of another class's; no route of a teacher's answers it.
func TestAChildReachesOnlyHerOwn(t *testing.T) {
	r := newClassroom(t)
	child := r.sit("Mirren")
	other, err := r.store.MakeClass("", server.NewID(), "Leaves", []string{"Tam"})
	require.NoError(t, err)
	set, err := r.store.MakeSet(store.Set{ID: server.NewID(), ClassID: other.ID})
	require.NoError(t, err)
	child.do("POST", "/api/desk/open", map[string]any{"set": set.ID, "attempts": []string{}}, 404)
	child.do("POST", "/api/desk/here", map[string]any{"set": set.ID}, 404)
	body := child.body("blocks 5t 4o")
	body["pupil"] = r.pupils["Jorn"]
	child.do("POST", "/api/handins", body, 403)
	tam, err := r.store.Pupils(other.ID)
	require.NoError(t, err)
	r.newDevice().do("POST", "/api/desk/sit", map[string]any{"code": r.code, "pupil": tam[0].ID}, 404)
}

// Nothing that a device gets of a task holds what would be right.
func TestADeskHoldsNoKey(t *testing.T) {
	r := newClassroom(t)
	file := `{"format":2,"id":"","title":"Bags","words":{},"scenes":[{"id":"a","title":"A",` +
		`"start":{"models":[{"kind":"blocks","pieces":[{"place":"hundreds","count":3},{"place":"tens","count":7},` +
		`{"place":"ones","count":16}]}]}}]}`
	r.teacher.do("POST", "/api/classes/"+r.class+"/sets", map[string]any{"title": "Read it",
		"lesson": json.RawMessage(file),
		"kinds":  []string{"read"}, "forms": []string{"number", "words"}}, 201)
	mirren := r.sit("Mirren")
	raw, err := json.Marshal(mirren.do("GET", "/api/desk", nil, 200)["sets"].([]any)[0])
	require.NoError(t, err)
	assert.Contains(t, string(raw), "blocks 3h 7t 16o")
	assert.Contains(t, string(raw), `"task":{`, "the device may mark what it can see")
	for _, answer := range []string{"386", "three hundred", "answer", "key"} {
		assert.NotContains(t, strings.ToLower(string(raw)), answer)
	}
}

// Children's own numbers are others, and stay.
func TestOwnNumbersStay(t *testing.T) {
	r := newClassroom(t)
	set := r.teacher.do("POST", "/api/classes/"+r.class+"/sets", map[string]any{"title": "Own", "own": true,
		"lesson": json.RawMessage(show54), "kinds": []string{"build"}, "help": "none"}, 201)
	asks := map[string]bool{}
	for name := range r.pupils {
		child := r.sit(name)
		ask := func() string {
			one := child.do("GET", "/api/desk", nil, 200)["sets"].([]any)[0].(map[string]any)
			require.Equal(t, set["id"], one["id"])
			return one["tasks"].([]any)[0].(map[string]any)["of"].(string)
		}
		of := ask()
		assert.Equal(t, of, ask())
		n, err := strconv.Atoi(of)
		require.NoError(t, err)
		assert.NotEqual(t, 54, n)
		asks[of] = true
	}
	assert.Greater(t, len(asks), 1)
}

// A class that is deleted is gone with all that its children did; one child too.
func TestDeletedWorkIsGone(t *testing.T) {
	r := newClassroom(t)
	mirren, jorn := r.sit("Mirren"), r.sit("Jorn")
	mirren.handIn("blocks 5t 4o")
	jorn.handIn("blocks 5t 4o")
	r.teacher.do("DELETE", "/api/classes/"+r.class+"/pupils/"+mirren.pupil, nil, 200)
	attempts, err := r.store.Attempts(r.set)
	require.NoError(t, err)
	require.Len(t, attempts, 1)
	mirren.do("GET", "/api/desk", nil, 401)
	mirren.do("POST", "/api/handins", mirren.body("blocks 5t 4o"), 404)
	r.teacher.do("DELETE", "/api/classes/"+r.class, nil, 204)
	attempts, err = r.store.Attempts(r.set)
	require.NoError(t, err)
	assert.Empty(t, attempts)
	r.teacher.do("GET", "/api/classes/"+r.class, nil, 404)
	r.teacher.do("GET", "/api/sets/"+r.set+"/wall", nil, 404)
}

// Names are texts: markup stays text, and a table's cell is no formula.
func TestResultsAreNoFormulas(t *testing.T) {
	r := newClassroom(t)
	r.teacher.do("POST", "/api/classes/"+r.class+"/pupils", map[string]any{"names": "=HYPERLINK(1)"}, 200)
	view := r.teacher.do("GET", "/api/classes/"+r.class, nil, 200)
	for _, p := range view["pupils"].([]any) {
		pupil := p.(map[string]any)
		r.pupils[pupil["name"].(string)] = pupil["id"].(string)
	}
	evil := r.sit("=HYPERLINK(1)")
	evil.handIn("blocks 5t 4o")
	got := send(t, "GET", r.teacher.url+"/api/classes/"+r.class+"/results", "")
	assert.Contains(t, got.body, "Bulbs,Show it,1,'=HYPERLINK(1),")
	assert.Contains(t, got.body, "5 tens 4 ones,yes,no")
}

// What a class can and cannot yet: the last hand-in of each task, by kind, oldest first.
func TestProgressIsTheLastOfEachTask(t *testing.T) {
	r := newClassroom(t)
	mirren := r.sit("Mirren")
	mirren.handIn("blocks 4t 14o")
	mirren.handIn("blocks 5t 4o")
	r.sit("Jorn")
	evi := r.sit("Evi")
	evi.handIn("blocks 4t 5o")
	got := r.teacher.do("GET", "/api/classes/"+r.class+"/progress", nil, 200)
	assert.Equal(t, []any{map[string]any{"kind": "build", "title": "Show numbers"}}, got["kinds"])
	right := map[string][]bool{}
	for _, p := range got["pupils"].([]any) {
		pupil := p.(map[string]any)
		done, _ := pupil["done"].(map[string]any)
		list, _ := done["build"].([]any)
		for _, one := range list {
			right[pupil["name"].(string)] = append(right[pupil["name"].(string)], one.(map[string]any)["right"].(bool))
		}
	}
	assert.Equal(t, map[string][]bool{"Mirren": {true}, "Evi": {false}}, right)
	r.teacher.do("GET", "/api/classes/none/progress", nil, 404)
}

// Devices follow what the class sees, until it ends; what is no picture is refused.
func TestDevicesFollowTheStage(t *testing.T) {
	r := newClassroom(t)
	mirren := r.sit("Mirren")
	assert.Equal(t, false, mirren.do("GET", "/api/desk", nil, 200)["stage"])
	r.teacher.do("PUT", "/api/classes/"+r.class+"/stage", map[string]any{"say": "Four tens."}, 204)
	assert.Equal(t, true, mirren.do("GET", "/api/desk", nil, 200)["stage"])
	assert.Equal(t, map[string]any{"say": "Four tens."}, mirren.do("GET", "/api/desk/stage", nil, 200))
	assert.Equal(t, 400, send(t, "PUT", r.teacher.url+"/api/classes/"+r.class+"/stage", "[1]").status)
	assert.Equal(t, 413, send(t, "PUT", r.teacher.url+"/api/classes/"+r.class+"/stage", strings.Repeat(" ", 2<<20)).status)
	assert.Equal(t, 204, send(t, "PUT", r.teacher.url+"/api/classes/"+r.class+"/stage", "").status)
	assert.Empty(t, mirren.do("GET", "/api/desk/stage", nil, 200))
}

// With picture keys a tile opens to its three pictures alone, also where another device sits; who
// guesses waits. No device is told a key.
func TestPictureKeys(t *testing.T) {
	r := newClassroom(t)
	first := r.sit("Mirren")
	class := r.teacher.do("PATCH", "/api/classes/"+r.class, map[string]any{"keys": true}, 200)
	keyOf := func(class map[string]any, id string) string {
		for _, p := range class["pupils"].([]any) {
			if pupil := p.(map[string]any); pupil["id"] == id {
				return pupil["key"].(string)
			}
		}
		return ""
	}
	mirren, jorn := r.pupils["Mirren"], r.pupils["Jorn"]
	key := keyOf(class, mirren)
	assert.Regexp(t, `^\d+ \d+ \d+$`, key)
	tablet := r.newDevice()
	door := tablet.do("POST", "/api/desk/door", map[string]any{"code": r.code}, 200)
	assert.Equal(t, true, door["keys"])
	assert.NotContains(t, fmt.Sprint(door), key)
	sit := func(d browser, want int, with string, keys ...string) {
		t.Helper()
		d.do("POST", "/api/desk/sit", map[string]any{"code": r.code, "pupil": mirren, "with": with, "keys": keys}, want)
	}
	sit(tablet, 403, "")
	sit(tablet, 403, "", "0 0")
	sit(tablet, 204, "", key)
	first.do("GET", "/api/desk", nil, 401)
	assert.NotContains(t, fmt.Sprint(tablet.do("GET", "/api/desk", nil, 200)), key)
	sit(tablet, 403, jorn, key, "99 0 0")
	sit(tablet, 204, jorn, key, keyOf(class, jorn))

	now := r.teacher.do("PATCH", "/api/classes/"+r.class+"/pupils/"+mirren, map[string]any{"newKey": true}, 200)
	for keyOf(now, mirren) == key { // by chance, once in 1,728
		now = r.teacher.do("PATCH", "/api/classes/"+r.class+"/pupils/"+mirren, map[string]any{"newKey": true}, 200)
	}
	for range 5 {
		sit(r.newDevice(), 403, "", key)
	}
	sit(r.newDevice(), 429, "", keyOf(now, mirren))
	class = r.teacher.do("PATCH", "/api/classes/"+r.class, map[string]any{"keys": false}, 200)
	assert.NotContains(t, fmt.Sprint(class), "key:")
}

// All answers to a task stand on the board as they come, alike ones together, without names and
// verdicts.
func TestAllAnswersGatherOnTheBoard(t *testing.T) {
	r := newClassroom(t)
	at := "/api/classes/" + r.class + "/board"
	assert.Nil(t, r.teacher.do("GET", at, nil, 200)["all"])
	r.teacher.do("PUT", at, map[string]any{"set": r.set, "task": 0}, 204)
	mirren, jorn, evi := r.sit("Mirren"), r.sit("Jorn"), r.sit("Evi")
	given := func() []string {
		var list []string
		raw, err := json.Marshal(r.teacher.do("GET", at, nil, 200))
		require.NoError(t, err)
		for _, secret := range []string{"Mirren", "Jorn", "right", mirren.pupil} {
			assert.NotContains(t, string(raw), secret)
		}
		var board struct {
			All struct {
				Groups []struct {
					Lines []string
					N     int
				}
			}
		}
		require.NoError(t, json.Unmarshal(raw, &board))
		for _, g := range board.All.Groups {
			list = append(list, fmt.Sprint(g.Lines[0], " ", g.N))
		}
		return list
	}
	assert.Empty(t, given())
	mirren.handIn("blocks 4t 5o")
	jorn.handIn("blocks 5t 4o")
	assert.Equal(t, []string{"4 tens 5 ones 1", "5 tens 4 ones 1"}, given())
	evi.handIn("blocks 5t 4o")
	assert.Equal(t, []string{"4 tens 5 ones 1", "5 tens 4 ones 2"}, given())
	r.teacher.do("PUT", at, map[string]any{"set": r.set, "task": 7}, 404)
	r.teacher.do("PUT", at, map[string]any{"set": "none"}, 404)
	r.teacher.do("DELETE", "/api/sets/"+r.set, nil, 204)
	assert.Nil(t, r.teacher.do("GET", at, nil, 200)["all"])
	r.teacher.do("PUT", at, map[string]any{}, 204)
	nothing := map[string]any{"attempts": []any{}, "named": false, "set": "", "task": 0.0}
	assert.Equal(t, nothing, r.teacher.do("GET", at, nil, 200)["up"])
}

// A set is printed with the tasks that children have at their devices; where each has numbers of her
// own, each has a sheet.
func TestASetIsPrinted(t *testing.T) {
	r := newClassroom(t)
	mirren := r.sit("Mirren")
	sheets := func(set string) []any {
		return r.teacher.do("GET", "/api/sets/"+set+"/paper", nil, 200)["sheets"].([]any)
	}
	asked := func(tasks any) (out []any) {
		for _, t := range tasks.([]any) {
			out = append(out, t.(map[string]any)["ask"])
		}
		return out
	}
	one := sheets(r.set)
	require.Len(t, one, 1)
	assert.ElementsMatch(t, []any{map[string]any{"name": "Mirren", "away": false},
		map[string]any{"name": "Jorn", "away": true}, map[string]any{"name": "Evi", "away": true}},
		one[0].(map[string]any)["for"])
	assert.Equal(t, []any{"Show 54 with base-ten blocks. Use as few pieces as you can."},
		asked(one[0].(map[string]any)["tasks"]))

	own := r.teacher.do("POST", "/api/classes/"+r.class+"/sets", map[string]any{"title": "Own", "own": true,
		"lesson": json.RawMessage(show54), "kinds": []string{"build"}, "more": 1, "help": "hint"}, 201)["id"].(string)
	each := sheets(own)
	require.Len(t, each, 3)
	var hers, printed any
	for _, sheet := range each {
		if sheet := sheet.(map[string]any); sheet["for"].([]any)[0].(map[string]any)["name"] == "Mirren" {
			printed = sheet["tasks"]
		}
	}
	for _, set := range mirren.do("GET", "/api/desk", nil, 200)["sets"].([]any) {
		if set := set.(map[string]any); set["id"] == own {
			hers = set["tasks"]
		}
	}
	assert.Equal(t, asked(hers), asked(printed))
	r.teacher.do("GET", "/api/sets/none/paper", nil, 404)
}

// A teacher tries a set before it is set: it is what children would have, and nothing is kept of it.
func TestASetIsTried(t *testing.T) {
	r := newClassroom(t)
	mirren := r.sit("Mirren")
	body := map[string]any{"title": "Show it", "lesson": json.RawMessage(show54), "kinds": []string{"build", "read"},
		"pieces": "any", "help": "hint"}
	tried := r.teacher.do("POST", "/api/classes/"+r.class+"/sets/try", body, 200)
	sets := func() []any { return mirren.do("GET", "/api/desk", nil, 200)["sets"].([]any) }
	require.Len(t, sets(), 1)
	r.teacher.do("POST", "/api/classes/"+r.class+"/sets", body, 201)
	require.Len(t, sets(), 2)
	assert.Equal(t, sets()[0].(map[string]any)["tasks"], tried["tasks"])

	body["kinds"] = []string{"column"}
	r.teacher.do("POST", "/api/classes/"+r.class+"/sets/try", body, 422)
}

// Set for a time and for some: before it begins and for others it is not there; what comes after its
// end is late.
func TestASetHasItsTime(t *testing.T) {
	r := newClassroom(t)
	mirren, jorn := r.sit("Mirren"), r.sit("Jorn")
	at := func(in time.Duration) string { return time.Now().Add(in).UTC().Format(time.RFC3339) }
	set := func(more map[string]any, want int) string {
		body := map[string]any{"title": "Timed", "lesson": json.RawMessage(show54), "kinds": []string{"build"},
			"help": "hint"}
		maps.Copy(body, more)
		made := r.teacher.do("POST", "/api/classes/"+r.class+"/sets", body, want)
		id, _ := made["id"].(string)
		return id
	}
	sets := func(s seat) int { return len(s.do("GET", "/api/desk", nil, 200)["sets"].([]any)) }
	later := set(map[string]any{"from": at(time.Hour), "until": at(2 * time.Hour)}, 201)
	assert.Equal(t, 1, sets(mirren))
	mirren.do("POST", "/api/desk/open", map[string]any{"set": later, "attempts": []string{people.NewToken()}}, 404)
	set(map[string]any{"from": at(2 * time.Hour), "until": at(time.Hour)}, 422)
	set(map[string]any{"only": []string{"nobody"}}, 404)
	set(map[string]any{"until": at(time.Hour), "only": []string{jorn.pupil}}, 201)
	assert.Equal(t, []int{1, 2}, []int{sets(mirren), sets(jorn)})

	over := set(map[string]any{"until": at(-time.Second)}, 201)
	assert.Equal(t, 1, sets(mirren))
	mirren.set, mirren.attempt = over, people.NewToken()
	opened := mirren.do("POST", "/api/desk/open", map[string]any{"set": over, "attempts": []string{mirren.attempt}}, 200)
	mirren.ticket = opened["tickets"].([]any)[0].(string)
	mirren.handIn("blocks 5t 4o")
	attempts, err := r.store.Attempts(over)
	require.NoError(t, err)
	assert.True(t, attempts[0].Late)

	turning, err := r.store.SetsTurning(time.Now(), time.Now().Add(90*time.Minute))
	require.NoError(t, err)
	assert.Len(t, turning, 2)
}

// All that a class did can be taken away.
func TestAClassIsTakenAway(t *testing.T) {
	r := newClassroom(t)
	mirren := r.sit("Mirren")
	mirren.handIn("blocks 4t 5o")
	mirren.handIn("blocks 5t 4o")
	got := send(t, "GET", r.teacher.url+"/api/classes/"+r.class+"/archive", "")
	in, err := zip.NewReader(strings.NewReader(got.body), int64(len(got.body)))
	require.NoError(t, err)
	require.Len(t, in.File, 2)
	read := func(i int) string {
		f, err := in.File[i].Open()
		require.NoError(t, err)
		raw, err := io.ReadAll(f)
		require.NoError(t, err)
		return string(raw)
	}
	assert.Equal(t, 3, strings.Count(read(0), "\n"))
	var set struct {
		Title   string
		HandIns []struct {
			Child  string
			Answer map[string]string
			Right  bool
		}
	}
	require.NoError(t, json.Unmarshal([]byte(read(1)), &set))
	assert.Equal(t, "Show it", set.Title)
	require.Len(t, set.HandIns, 2)
	assert.Equal(t, "Mirren", set.HandIns[1].Child)
	assert.Equal(t, map[string]string{"board": "blocks 5t 4o"}, set.HandIns[1].Answer)
	assert.True(t, set.HandIns[1].Right)
}

// Another like it is for those children alone, each with numbers of her own.
func TestAnotherLikeIt(t *testing.T) {
	r := newClassroom(t)
	mirren, jorn := r.sit("Mirren"), r.sit("Jorn")
	mirren.handIn("blocks 4t 5o")
	set := r.teacher.do("POST", "/api/sets/"+r.set+"/another",
		map[string]any{"task": 0, "pupils": []string{mirren.pupil}}, 201)
	sets := mirren.do("GET", "/api/desk", nil, 200)["sets"].([]any)
	require.Len(t, sets, 2)
	face := sets[0].(map[string]any)["tasks"].([]any)
	require.Len(t, face, 1)
	assert.NotEqual(t, "54", face[0].(map[string]any)["of"])
	assert.Len(t, jorn.do("GET", "/api/desk", nil, 200)["sets"], 1)
	attempts := map[string]any{"set": set["id"], "attempts": []string{people.NewToken()}}
	mirren.do("POST", "/api/desk/open", attempts, 200)
	jorn.do("POST", "/api/desk/open", attempts, 404)
	wall := r.teacher.do("GET", "/api/sets/"+set["id"].(string)+"/wall", nil, 200)
	assert.EqualValues(t, 1, wall["children"])
	r.teacher.do("POST", "/api/sets/"+r.set+"/another", map[string]any{"task": 3, "pupils": []string{mirren.pupil}}, 404)
	r.teacher.do("POST", "/api/sets/"+r.set+"/another", map[string]any{"task": 0, "pupils": []string{"x"}}, 404)
}

// fullNow keeps no hand-in while its disk is full.
type fullNow struct {
	store.Work
	full bool
}

func (w *fullNow) HandIn(a store.Attempt) (store.Attempt, error) {
	if w.full {
		return a, fmt.Errorf("hand-in: %w", store.ErrFull)
	}
	return w.Work.HandIn(a)
}

func TestAHandInOnAFullDiskIsKeptWhenThereIsRoom(t *testing.T) {
	var disk *fullNow
	ts, db := start(t, server.Config{Work: func(s *store.Store) store.Work {
		disk = &fullNow{Work: s}
		return disk
	}})
	r := classroomAt(t, ts, db, "fewest")
	mirren := r.sit("Mirren")
	disk.full = true
	body := mirren.body("blocks 5t 4o")
	mirren.do("POST", "/api/handins", body, 507)
	wall := r.teacher.do("GET", "/api/sets/"+r.set+"/wall", nil, 200)
	assert.EqualValues(t, 0, wall["tasks"].([]any)[0].(map[string]any)["handed"])
	disk.full = false
	mirren.do("POST", "/api/handins", body, 200)
	wall = r.teacher.do("GET", "/api/sets/"+r.set+"/wall", nil, 200)
	assert.EqualValues(t, 1, wall["tasks"].([]any)[0].(map[string]any)["handed"])
}
