package server_test

import (
	"encoding/json"
	"net/http"
	"net/http/httptest"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"github.com/gin-gonic/gin"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/internal/server"
	"unitbloom/internal/store"
)

const words = "seven damp badgers hum"

// school is a server that others can reach, with its teachers by name; Alder may invite.
type school struct {
	*httptest.Server
	store    *store.Store
	routes   gin.RoutesInfo
	path     string
	teachers map[string]browser
}

func newSchool(t testing.TB, c server.Config, names ...string) school {
	path := filepath.Join(t.TempDir(), "school.db")
	db, err := store.Open(path, nil)
	require.NoError(t, err)
	c.Host = "0.0.0.0"
	srv, err := server.New(db, c)
	require.NoError(t, err)
	handler := srv.Handler()
	ts := httptest.NewServer(handler)
	t.Cleanup(func() { ts.Close(); _ = db.Close() })
	first, err := srv.FirstLink()
	require.NoError(t, err)
	s := school{ts, db, handler.(*gin.Engine).Routes(), path, map[string]browser{}}
	for _, name := range names {
		token := strings.TrimPrefix(first, "/welcome#")
		if len(s.teachers) > 0 {
			token = s.teachers[names[0]].do("POST", "/api/links", map[string]any{}, 201)["token"].(string)
		}
		s.teachers[name] = newBrowser(t, ts.URL)
		s.teachers[name].do("POST", "/api/account", map[string]any{"token": token, "name": name, "passphrase": words + name},
			200)
	}
	return s
}

func signIn(name, passphrase string) map[string]any {
	return map[string]any{"name": name, "passphrase": passphrase}
}

func TestTeachersSignIn(t *testing.T) {
	s := newSchool(t, server.Config{}, "Alder", "Birch")
	me := s.teachers["Birch"].do("GET", "/api/session", nil, 200)
	assert.Equal(t, "Birch", me["teacher"].(map[string]any)["name"])
	assert.Equal(t, false, me["teacher"].(map[string]any)["lead"])
	b := newBrowser(t, s.URL)
	assert.Equal(t, map[string]any{"accounts": true}, b.do("GET", "/api/session", nil, 200))
	b.do("GET", "/api/lessons", nil, 401)
	for _, wrong := range []map[string]any{signIn("Birch", words), signIn("Birch", ""), signIn("", words+"Birch"),
		signIn("Nobody", words)} {
		b.do("POST", "/api/session", wrong, 401)
	}
	b.do("POST", "/api/session", signIn("  BIRCH ", words+"Birch"), 200)
	b.do("GET", "/api/lessons", nil, 200)
	b.do("DELETE", "/api/session", nil, 204)
	b.do("GET", "/api/lessons", nil, 401)
	s.teachers["Birch"].do("GET", "/api/lessons", nil, 200)

	// Out everywhere: in all browsers.
	b.do("POST", "/api/session", signIn("Birch", words+"Birch"), 200)
	b.do("DELETE", "/api/session?everywhere=1", nil, 204)
	s.teachers["Birch"].do("GET", "/api/lessons", nil, 401)
	s.teachers["Alder"].do("GET", "/api/lessons", nil, 200)

	ts, _ := start(t, server.Config{})
	one := newBrowser(t, ts.URL)
	assert.Equal(t, map[string]any{"accounts": false}, one.do("GET", "/api/session", nil, 200))
	one.do("POST", "/api/session", signIn("Birch", words), 404)
	one.do("GET", "/api/lessons", nil, 200)
}

// A teacher sees where she is signed in, and ends one of it with her passphrase; who leads ends those of
// a colleague, or everybody's.
func TestSessionsAreSeenAndEnded(t *testing.T) {
	s := newSchool(t, server.Config{}, "Alder", "Birch", "Cedar")
	alder, birch := s.teachers["Alder"], s.teachers["Birch"]
	tablet := newBrowser(t, s.URL)
	tablet.agent = "Mozilla/5.0 (Windows NT 10.0; Win64; x64; rv:140.0) Gecko/20100101 Firefox/140.0"
	tablet.do("POST", "/api/session", signIn("Birch", words+"Birch"), 200)
	list := birch.do("GET", "/api/sessions", nil, 200)["sessions"].([]any)
	require.Len(t, list, 2)
	var other map[string]any
	for _, one := range list {
		one := one.(map[string]any)
		assert.NotContains(t, one, "token")
		if one["here"] == false {
			other = one
		}
	}
	assert.Equal(t, "Firefox on Windows", other["browser"])
	end := "/api/sessions/" + other["id"].(string) + "/end"
	birch.do("POST", end, map[string]any{"passphrase": "not hers"}, 403)
	s.teachers["Cedar"].do("POST", end, map[string]any{"passphrase": words + "Cedar"}, 404)
	tablet.do("GET", "/api/lessons", nil, 200)
	birch.do("POST", end, map[string]any{"passphrase": words + "Birch"}, 204)
	birch.do("POST", end, map[string]any{"passphrase": words + "Birch"}, 404)
	tablet.do("GET", "/api/lessons", nil, 401)
	assert.Len(t, birch.do("GET", "/api/sessions", nil, 200)["sessions"], 1)

	id := birch.do("GET", "/api/session", nil, 200)["teacher"].(map[string]any)["id"].(string)
	s.teachers["Cedar"].do("DELETE", "/api/teachers/"+id+"/sessions", nil, 403)
	s.teachers["Cedar"].do("DELETE", "/api/sessions", nil, 403)
	birch.do("GET", "/api/lessons", nil, 200)
	alder.do("DELETE", "/api/teachers/"+id+"/sessions", nil, 204)
	birch.do("GET", "/api/lessons", nil, 401)
	s.teachers["Cedar"].do("GET", "/api/lessons", nil, 200)
	alder.do("DELETE", "/api/sessions", nil, 204)
	s.teachers["Cedar"].do("GET", "/api/lessons", nil, 401)
	alder.do("GET", "/api/lessons", nil, 200)
}

func TestASessionsCookieIsHeldClosely(t *testing.T) {
	s := newSchool(t, server.Config{Proxies: []string{"127.0.0.1"}}, "Alder")
	body := `{"name":"Alder","passphrase":"` + words + `Alder"}`
	plain := send(t, "POST", s.URL+"/api/session", body).header.Values("Set-Cookie")[0]
	assert.Regexp(t, `^unitbloom=[0-9a-f]{32}; Path=/; Max-Age=86400; HttpOnly; SameSite=Strict$`, plain)
	tls := send(t, "POST", s.URL+"/api/session", body, "X-Forwarded-Proto", "https", "X-Forwarded-For", "192.168.1.9")
	assert.Regexp(t, `^__Host-unitbloom=[0-9a-f]{32}; Path=/; Max-Age=86400; HttpOnly; Secure; SameSite=Strict$`,
		tls.header.Values("Set-Cookie")[0])
	assert.NotEmpty(t, tls.header.Get("Strict-Transport-Security"))
	again := send(t, "POST", s.URL+"/api/session", body).header.Values("Set-Cookie")[0]
	assert.NotEqual(t, plain, again, "a new one each time")
	// Signing in again in one browser ends the session that was there.
	cookie, _, _ := strings.Cut(plain, ";")
	send(t, "POST", s.URL+"/api/session", body, "Cookie", cookie)
	assert.Equal(t, 401, send(t, "GET", s.URL+"/api/lessons", "", "Cookie", cookie).status)
	// A proxy that was not named is not believed; one before a server of one's own machine is refused.
	ts, _ := start(t, server.Config{Host: "0.0.0.0"})
	assert.Empty(t, send(t, "GET", ts.URL+"/api/session", "", "X-Forwarded-Proto",
		"https").header.Get("Strict-Transport-Security"))
	alone, _ := start(t, server.Config{})
	assert.Equal(t, 421, send(t, "GET", alone.URL+"/api/lessons", "", "X-Forwarded-For", "192.168.1.9").status)
}

func TestASessionEnds(t *testing.T) {
	s := newSchool(t, server.Config{}, "Alder")
	now := time.Now()
	s.store.SetClock(func() time.Time { return now })
	alder := s.teachers["Alder"]
	for range 7 { // used now and then it goes on, up to a day
		now = now.Add(store.SessionIdle - time.Minute)
		alder.do("GET", "/api/lessons", nil, 200)
	}
	now = now.Add(store.SessionIdle - time.Minute)
	now = now.Add(time.Hour)
	alder.do("GET", "/api/lessons", nil, 401)
	alder.do("POST", "/api/session", signIn("Alder", words+"Alder"), 200)
	now = now.Add(store.SessionIdle + time.Second)
	alder.do("GET", "/api/lessons", nil, 401)
}

func TestAnAccountIsNotGuessed(t *testing.T) {
	s := newSchool(t, server.Config{}, "Alder")
	guess := newBrowser(t, s.URL)
	for range 3 {
		guess.do("POST", "/api/session", signIn("Alder", "seven damp badgers ham"), 401)
	}
	answer := guess.do("POST", "/api/session", signIn("ALDER", words+"Alder"), 429)
	assert.Contains(t, answer["error"].(map[string]any)["text"], "Try again in 2 seconds")
	newBrowser(t, s.URL).do("POST", "/api/session", signIn("alder", words+"Alder"), 429)
	// Whoever locks her out does not so in the browser that she always has.
	s.teachers["Alder"].do("DELETE", "/api/session", nil, 204)
	s.teachers["Alder"].do("POST", "/api/session", signIn("Alder", words+"Alder"), 200)
	deeds, err := s.store.Deeds(0)
	require.NoError(t, err)
	refused := 0
	for _, d := range deeds {
		if d.Did == "refused" {
			refused++
			assert.NotEmpty(t, d.ID)
		}
	}
	assert.Equal(t, 3, refused)
}

func TestALinkIsUsedOnce(t *testing.T) {
	s := newSchool(t, server.Config{}, "Alder")
	token := s.teachers["Alder"].do("POST", "/api/links", map[string]any{"lead": true}, 201)["token"].(string)
	b := newBrowser(t, s.URL)
	assert.Equal(t, map[string]any{"name": "", "lead": true},
		b.do("POST", "/api/link", map[string]any{"token": token}, 200))
	account := func(name, passphrase string, want int) {
		t.Helper()
		b.do("POST", "/api/account", map[string]any{"token": token, "name": name, "passphrase": passphrase}, want)
	}
	account("", words, 422)
	account("Cedar", "too short", 422)
	account("Cedar", "passwordpassword", 422)
	account("ALDER ", words, 409)
	account("Cedar", words, 200)
	account("Dill", words, 404)
	b.do("POST", "/api/link", map[string]any{"token": token}, 404)
	b.do("POST", "/api/links", map[string]any{}, 201)

	// A lost passphrase: the link is for one teacher, and ends what she had open.
	list := b.do("GET", "/api/teachers", nil, 200)["teachers"].([]any)
	alder := list[0].(map[string]any)["id"].(string)
	token = b.do("POST", "/api/links", map[string]any{"for": alder}, 201)["token"].(string)
	d := newBrowser(t, s.URL)
	assert.Equal(t, map[string]any{"name": "Alder", "lead": false},
		d.do("POST", "/api/link", map[string]any{"token": token}, 200))
	d.do("POST", "/api/account", map[string]any{"token": token, "name": "Mallow",
		"passphrase": "new words for the old gate"}, 200)
	assert.Equal(t, "Alder", d.do("GET", "/api/session", nil, 200)["teacher"].(map[string]any)["name"])
	s.teachers["Alder"].do("GET", "/api/lessons", nil, 401)
	s.teachers["Alder"].do("POST", "/api/session", signIn("Alder", words+"Alder"), 401)

	// One's own, with the old one; her other browsers are signed out.
	e := newBrowser(t, s.URL)
	e.do("POST", "/api/session", signIn("Alder", "new words for the old gate"), 200)
	d.do("PUT", "/api/passphrase", map[string]any{"old": words, "new": "a third one, of moss and rust"}, 403)
	d.do("PUT", "/api/passphrase", map[string]any{"old": "new words for the old gate", "new": "aaaaaaaaaaaa"}, 422)
	d.do("PUT", "/api/passphrase", map[string]any{"old": "new words for the old gate",
		"new": "a third one, of moss and rust"}, 204)
	d.do("GET", "/api/lessons", nil, 200)
	e.do("GET", "/api/lessons", nil, 401)
}

// What was there before there were accounts is the first teacher's; what a teacher had who is gone
// is that of whoever ended her account.
func TestNothingIsNobodys(t *testing.T) {
	s := newSchool(t, server.Config{})
	_, err := s.store.Create("", sampleLesson(t, "old"))
	require.NoError(t, err)
	_, err = s.store.MakeClass("", "oldclass", "Bulbs", []string{"Mirren"})
	require.NoError(t, err)
	token, err := s.store.MakeLink(store.Link{Lead: true})
	require.NoError(t, err)
	alder := newBrowser(t, s.URL)
	alder.do("POST", "/api/account", map[string]any{"token": token, "name": "Alder", "passphrase": words}, 200)
	assert.EqualValues(t, 1, alder.do("GET", "/api/lessons", nil, 200)["total"])
	assert.Len(t, alder.do("GET", "/api/classes", nil, 200)["classes"], 1)

	token = alder.do("POST", "/api/links", map[string]any{}, 201)["token"].(string)
	birch := newBrowser(t, s.URL)
	birch.do("POST", "/api/account", map[string]any{"token": token, "name": "Birch", "passphrase": words}, 200)
	assert.EqualValues(t, 0, birch.do("GET", "/api/lessons", nil, 200)["total"])
	assert.Empty(t, birch.do("GET", "/api/classes", nil, 200)["classes"])
	birch.do("PUT", "/api/lessons/of-birch-1", json.RawMessage(lessonFile), 201)
	birch.do("POST", "/api/classes", map[string]any{"name": "Leaves"}, 201)
	me := func(b browser) string {
		return b.do("GET", "/api/session", nil, 200)["teacher"].(map[string]any)["id"].(string)
	}
	birch.do("DELETE", "/api/teachers/"+me(alder), nil, 403)
	alder.do("DELETE", "/api/teachers/"+me(alder), nil, 409)
	alder.do("DELETE", "/api/teachers/"+me(birch), nil, 204)
	birch.do("GET", "/api/lessons", nil, 401)
	assert.EqualValues(t, 2, alder.do("GET", "/api/lessons", nil, 200)["total"])
	assert.Len(t, alder.do("GET", "/api/classes", nil, 200)["classes"], 2)
}

// free are the routes that nobody has to sign in for.
var free = []string{"/healthz", "/api/version", "/api/session", "/api/link", "/api/account", "/api/handins",
	"/api/desk"}

func isFree(r gin.RouteInfo) bool {
	for _, path := range free {
		if r.Path == path && (r.Path != "/api/session" || r.Method != "DELETE") || path == "/api/desk" &&
			strings.HasPrefix(r.Path, path+"/") {
			return true
		}
	}
	return false
}

// Every route but those of the door asks who it is; no route of a lesson or a class of another's
// answers, reads or changes anything, whatever ids are known; what is shared can be read and no more.
func TestNoRouteIsAnothers(t *testing.T) {
	s := newSchool(t, server.Config{}, "Alder", "Birch")
	alder, birch, nobody := s.teachers["Alder"], s.teachers["Birch"], newBrowser(t, s.URL)
	alder.do("PUT", "/api/lessons/of-alder-1", json.RawMessage(lessonFile), 201)
	room := classroomOf(t, alder, s.store, "fewest")
	mirren := room.sit("Mirren")
	mirren.handIn("blocks 5t 4o")
	attempts, err := s.store.Attempts(room.set)
	require.NoError(t, err)
	hers := alder.do("GET", "/api/sessions", nil, 200)["sessions"].([]any)[0].(map[string]any)["id"].(string)
	ids := strings.NewReplacer(":session", hers, ":id", "of-alder-1", ":class", room.class, ":set", room.set,
		":pupil", mirren.pupil, ":attempt", attempts[0].ID, ":showing", "of-birch-9")
	state := func() string {
		class, _ := json.Marshal(alder.do("GET", "/api/classes/"+room.class, nil, 200))
		lesson, _ := json.Marshal(alder.do("GET", "/api/lessons/of-alder-1", nil, 200))
		return string(class) + string(lesson)
	}
	before, tried := state(), 0
	visit := func(b browser, r gin.RouteInfo, body any) int {
		raw, err := json.Marshal(body)
		require.NoError(t, err)
		req, err := http.NewRequestWithContext(t.Context(), r.Method, s.URL+ids.Replace(r.Path),
			strings.NewReader(string(raw)))
		require.NoError(t, err)
		res, err := b.http.Do(req)
		require.NoError(t, err)
		defer res.Body.Close()
		return res.StatusCode
	}
	body := map[string]any{"name": "Mallow", "names": "Mallow", "shared": "copy", "ended": true, "word": "Look.",
		"open": true, "passphrase": words + "Birch",
		"operation": "x", "base": 1, "holder": "x", "take": true, "pupils": []string{mirren.pupil}, "attempts": []string{}}
	for _, r := range s.routes {
		if isFree(r) {
			continue
		}
		assert.Equal(t, 401, visit(nobody, r, body), "%s %s", r.Method, r.Path)
		assert.Equal(t, 401, visit(mirren.browser, r, body), "a child: %s %s", r.Method, r.Path)
		if !strings.Contains(r.Path, ":") || strings.Contains(r.Path, ":teacher") || r.Method == "PUT" &&
			r.Path == "/api/lessons/:id" {
			continue
		}
		tried++
		assert.Equal(t, 404, visit(birch, r, body), "%s %s", r.Method, r.Path)
	}
	assert.Greater(t, tried, 25)
	assert.Equal(t, 409, send(t, "PUT", s.URL+"/api/lessons/of-alder-1", lessonFile, "Cookie", cookieOf(t, birch)).status)
	assert.Equal(t, before, state())

	alder.do("PATCH", "/api/lessons/of-alder-1", map[string]any{"shared": "everyone"}, 422)
	alder.do("PATCH", "/api/lessons/of-alder-1", map[string]any{"shared": "read"}, 204)
	alder.do("PATCH", "/api/classes/"+room.class, map[string]any{"shared": "read"}, 200)
	before = state()
	for _, r := range s.routes {
		if isFree(r) || !strings.Contains(r.Path, ":") || strings.Contains(r.Path, ":teacher") ||
			strings.HasSuffix(r.Path, "/events") {
			continue
		}
		got := visit(birch, r, body)
		switch {
		case r.Path == "/api/lessons/:id" && r.Method == "PUT":
		case strings.Contains(r.Path, ":session"):
			assert.Equal(t, 404, got, "a session is shared with nobody")
		case strings.HasSuffix(r.Path, "/showings/:showing"):
			assert.Equal(t, 422, got, "this body is no showing")
		case strings.HasSuffix(r.Path, "/file"):
			assert.Equal(t, 403, got, "what is shared to read is not taken away")
		case r.Method == "GET":
			assert.Equal(t, 200, got, "%s %s", r.Method, r.Path)
		default:
			assert.Equal(t, 403, got, "%s %s", r.Method, r.Path)
		}
	}
	assert.Equal(t, before, state())
}

// cookieOf is what a browser would send.
func cookieOf(t *testing.T, b browser) string {
	req, err := http.NewRequestWithContext(t.Context(), "GET", b.url, nil)
	require.NoError(t, err)
	var all []string
	for _, c := range b.http.Jar.Cookies(req.URL) {
		all = append(all, c.Name+"="+c.Value)
	}
	return strings.Join(all, "; ")
}

// A colleague's lesson is on the shelf of what the school has, with her name; it is presented as
// one's own showing, and copied where that is allowed.
func TestALessonIsSharedWithTheSchool(t *testing.T) {
	s := newSchool(t, server.Config{}, "Alder", "Birch")
	alder, birch := s.teachers["Alder"], s.teachers["Birch"]
	for _, id := range []string{"of-alder-1", "of-alder-2"} {
		alder.do("PUT", "/api/lessons/"+id, json.RawMessage(lessonFile), 201)
	}
	alder.do("POST", "/api/lessons/folder", map[string]any{"ids": []string{"of-alder-1"}, "folder": "Spring"}, 204)
	alder.do("PATCH", "/api/lessons/of-alder-1", map[string]any{"shared": "copy"}, 204)
	mine := birch.do("GET", "/api/lessons", nil, 200)
	assert.EqualValues(t, 0, mine["total"])
	assert.EqualValues(t, 1, mine["others"])
	page := birch.do("GET", "/api/lessons?others=1", nil, 200)
	require.Len(t, page["lessons"], 1)
	line := page["lessons"].([]any)[0].(map[string]any)
	assert.Equal(t, []any{"of-alder-1", "Alder", "copy", ""},
		[]any{line["id"], line["by"], line["shared"], line["folder"]})
	assert.Empty(t, page["folders"])
	got := birch.do("GET", "/api/lessons/of-alder-1", nil, 200)
	assert.Equal(t, []any{"Alder", "copy"}, []any{got["by"], got["shared"]})
	assert.NotContains(t, alder.do("GET", "/api/lessons/of-alder-1", nil, 200), "by")
	birch.do("GET", "/api/lessons/of-alder-2", nil, 404)
	birch.do("POST", "/api/lessons/folder", map[string]any{"ids": []string{"of-alder-1"}, "folder": "Mine"}, 204)
	assert.Contains(t, send(t, "GET", s.URL+"/api/lessons", "", "Cookie", cookieOf(t, alder)).body, `"folder":"Spring"`)

	birch.do("PUT", "/api/lessons/of-alder-1/showings/showing-of-birch", json.RawMessage(lessonFile), 201)
	birch.do("POST", "/api/lessons/showing-of-birch/saves", json.RawMessage(saveBody("one", 1, "t")), 200)
	assert.Len(t, birch.do("GET", "/api/lessons/of-alder-1/showings", nil, 200)["showings"], 1)
	assert.Empty(t, alder.do("GET", "/api/lessons/of-alder-1/showings", nil, 200)["showings"])
	alder.do("GET", "/api/lessons/showing-of-birch", nil, 404)
	alder.do("PATCH", "/api/lessons/of-alder-1", map[string]any{"shared": ""}, 204)
	birch.do("GET", "/api/lessons/of-alder-1", nil, 404)
	birch.do("GET", "/api/lessons/showing-of-birch", nil, 200)
}

// The log of deeds says who did what, by ids: no name of a teacher, a child or a lesson is in it.
func TestTheDeedsNameNobody(t *testing.T) {
	s := newSchool(t, server.Config{}, "Alder", "Birch")
	alder := s.teachers["Alder"]
	room := classroomOf(t, alder, s.store, "fewest")
	mirren := room.sit("Mirren")
	mirren.handIn("blocks 5t 4o")
	for range 3 {
		alder.do("GET", "/api/sets/"+room.set+"/wall", nil, 200)
	}
	alder.do("DELETE", "/api/classes/"+room.class+"/pupils/"+mirren.pupil, nil, 200)
	s.teachers["Birch"].do("GET", "/api/deeds", nil, 403)
	var said []string
	for _, d := range alder.do("GET", "/api/deeds", nil, 200)["deeds"].([]any) {
		deed := d.(map[string]any)
		of, _ := deed["of"].(string)
		title, _ := deed["title"].(string)
		said = append(said, strings.TrimSpace(deed["did"].(string)+" "+of+" "+title))
	}
	assert.Equal(t, []string{"deleted pupil", "set set Show it", "looked class Bulbs", "signed in", "made teacher",
		"invited teacher",
		"signed in", "made teacher"}, said)
	raw, err := os.ReadFile(s.path + "-deeds")
	require.NoError(t, err)
	for _, name := range []string{"Alder", "Birch", "Mirren", "Bulbs", "Show it"} {
		assert.NotContains(t, string(raw), name)
	}
}
