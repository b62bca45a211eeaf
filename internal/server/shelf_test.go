package server_test

import (
	"archive/zip"
	"bytes"
	"encoding/json"
	"io"
	"strings"
	"testing"
	"testing/fstest"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/internal/server"
	"unitbloom/internal/store"
)

func shelfOf(t *testing.T, url, query string) store.Page {
	t.Helper()
	r := send(t, "GET", url+"/api/lessons"+query, "")
	require.Equal(t, 200, r.status, r.body)
	var page store.Page
	require.NoError(t, json.Unmarshal([]byte(r.body), &page))
	return page
}

func TestTheShelfIsToldInParts(t *testing.T) {
	ts, _ := start(t, server.Config{})
	for range 5 {
		create(t, ts.URL)
	}
	page := shelfOf(t, ts.URL, "?most=2&from=3&q=bulbs")
	assert.Len(t, page.Lessons, 2)
	assert.Equal(t, 5, page.Total)
	assert.Empty(t, shelfOf(t, ts.URL, "?q=tulips").Lessons)
	for _, query := range []string{"?most=-1", "?most=x&from=y", "?from=999999", "?sort=colour"} {
		shelfOf(t, ts.URL, query)
	}
	id := page.Lessons[0].ID
	r := send(t, "POST", ts.URL+"/api/lessons/folder", `{"ids":["`+id+`"],"folder":"Spring"}`, "Content-Type",
		"application/json")
	require.Equal(t, 204, r.status, r.body)
	assert.Equal(t, id, shelfOf(t, ts.URL, "?folder=Spring").Lessons[0].ID)
	r = send(t, "POST", ts.URL+"/api/lessons/folder", `{"ids":[],"folder":"`+strings.Repeat("x", 61)+`"}`)
	assert.Equal(t, 400, r.status)
	assert.Contains(t, r.body, "at most 60 letters")
}

// A lesson's picture is its first board as it is drawn, kept by the browser under its
// revision alone, and without what is covered.
func TestALessonHasAFace(t *testing.T) {
	ts, _ := start(t, server.Config{Files: fstest.MapFS{"build.txt": {Data: []byte("abc")}}})
	id := create(t, ts.URL)
	at := ts.URL + "/api/lessons/" + id
	type drawn struct {
		Models []struct{ Pieces []json.RawMessage }
	}
	face := func(query string) (drawn, string) {
		r := send(t, "GET", at+"/face"+query, "")
		require.Equal(t, 200, r.status, r.body)
		var v drawn
		require.NoError(t, json.Unmarshal([]byte(r.body), &v))
		return v, r.header.Get("Cache-Control")
	}
	v, kept := face("?rev=1&build=abc")
	require.Len(t, v.Models, 1)
	assert.Len(t, v.Models[0].Pieces, 13)
	assert.Contains(t, kept, "immutable")
	_, kept = face("?rev=1&build=abd")
	assert.NotContains(t, kept, "immutable", "nor may what one build drew be kept as another's")
	require.Equal(t, 200, send(t, "POST", at+"/saves", saveBody("o1", 1, "tab")).status)
	v, kept = face("?rev=1&build=abc")
	assert.Len(t, v.Models[0].Pieces, 14)
	assert.NotContains(t, kept, "immutable", "another revision may not be kept under this one")
	require.Equal(t, 200, send(t, "POST", at+"/saves", strings.Replace(saveBody("o2", 2, "tab"),
		`{"kind":"place","amount":"1 ten"}`, `{"kind":"cover","zone":"ones"}`, 1)).status)
	v, _ = face("")
	assert.Len(t, v.Models[0].Pieces, 1)
	assert.Equal(t, 404, send(t, "GET", ts.URL+"/api/lessons/nothing-here/face", "").status)
}

// The shelf goes out to one archive and comes in again, whole or not at all.
func TestTheShelfGoesOutAndComesIn(t *testing.T) {
	ts, _ := start(t, server.Config{})
	first, second := create(t, ts.URL), create(t, ts.URL)
	out := send(t, "GET", ts.URL+"/api/archive", "")
	require.Equal(t, 200, out.status)
	files := unzip(t, out.body)
	require.Len(t, files, 2)
	for name, doc := range files {
		assert.Regexp(t, `^\d{4} Bulbs\.json$`, name)
		assert.Contains(t, doc, `"scenes"`)
	}
	assert.Len(t, unzip(t, send(t, "GET", ts.URL+"/api/archive?ids="+first, "").body), 1)

	in := send(t, "POST", ts.URL+"/api/lessons/archive", out.body, "Content-Type", "application/zip")
	require.Equal(t, 201, in.status, in.body)
	assert.JSONEq(t, `{"lessons":2}`, in.body)
	page := shelfOf(t, ts.URL, "")
	assert.Equal(t, 4, page.Total)
	assert.Contains(t, []string{page.Lessons[0].ID, page.Lessons[1].ID, page.Lessons[2].ID, page.Lessons[3].ID}, second)

	for name, body := range map[string]string{
		"not an archive": "hello", "no lesson": zipped(t, map[string]string{"a.txt": "hello"}),
		"one is none": zipped(t, map[string]string{"a.json": lessonFile, "b.json": `{"format":2}`}),
	} {
		r := send(t, "POST", ts.URL+"/api/lessons/archive", body, "Content-Type", "application/zip")
		assert.Equal(t, 422, r.status, name)
		assert.Contains(t, r.body, "Nothing was changed", name)
	}
	assert.Equal(t, 4, shelfOf(t, ts.URL, "").Total, "nothing came of them")
}

func unzip(t *testing.T, body string) map[string]string {
	t.Helper()
	r, err := zip.NewReader(strings.NewReader(body), int64(len(body)))
	require.NoError(t, err)
	files := map[string]string{}
	for _, f := range r.File {
		in, err := f.Open()
		require.NoError(t, err)
		doc, err := io.ReadAll(in)
		require.NoError(t, err)
		files[f.Name] = string(doc)
	}
	return files
}

func zipped(t *testing.T, files map[string]string) string {
	t.Helper()
	var b bytes.Buffer
	w := zip.NewWriter(&b)
	for name, doc := range files {
		f, err := w.Create(name)
		require.NoError(t, err)
		_, err = f.Write([]byte(doc))
		require.NoError(t, err)
	}
	require.NoError(t, w.Close())
	return b.String()
}
