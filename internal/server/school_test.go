package server_test

import (
	"net/http"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"unitbloom/internal/server"
)

func TestTheSchoolSetsItsWordsOnce(t *testing.T) {
	ts, _ := start(t, server.Config{})
	url := ts.URL + "/api/school"
	assert.JSONEq(t, `{"words":{}}`, send(t, http.MethodGet, url, "").body)
	set := `{"words":{"regroup":"exchange","numbers":"4 002,5"}}`
	assert.JSONEq(t, set, send(t, http.MethodPut, url, set).body)
	for body, want := range map[string]string{
		`{"words":{"numbers":"4.002,5"}}`: "words.numbers",
		`{"words":{"money":"pounds"}}`:    "words.money",
		`{"words":{"regroup":7}}`:         "regroup",
		`{"words":`:                       "read",
		`{"words":{"shapes":"` + strings.Repeat("a", 1<<17) + `"}}`: "larger",
	} {
		r := send(t, http.MethodPut, url, body)
		assert.GreaterOrEqual(t, r.status, 400)
		assert.Contains(t, r.body, want)
		assert.JSONEq(t, set, send(t, http.MethodGet, url, "").body, "what was set stays")
	}
}

func TestWhoLeadsSetsTheSchoolsWords(t *testing.T) {
	s := newSchool(t, server.Config{}, "Alder", "Birch")
	set := map[string]any{"words": map[string]any{"regroup": "exchange"}}
	s.teachers["Birch"].do("PUT", "/api/school", set, 403)
	s.teachers["Alder"].do("PUT", "/api/school", set, 200)
	assert.Equal(t, set, s.teachers["Birch"].do("GET", "/api/school", nil, 200))
}
