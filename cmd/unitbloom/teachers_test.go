package main

import (
	"bufio"
	"net/http"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// The first start of a server that others reach tells the way to the first account; a lost
// passphrase is mended beside it, and what was done is told.
func TestTheFirstAccountIsMadeByALink(t *testing.T) {
	data := filepath.Join(t.TempDir(), "school.db")
	cmd := command(t, "serve", "--data", data, "--port", "0", "--name", "maths.school")
	pipe, err := cmd.StdoutPipe()
	require.NoError(t, err)
	require.NoError(t, cmd.Start())
	t.Cleanup(func() { _ = cmd.Process.Kill(); _ = cmd.Wait() })
	lines := bufio.NewReader(pipe)
	read := func() string {
		line, err := lines.ReadString('\n')
		require.NoError(t, err)
		return strings.TrimSpace(line)
	}
	_, url, _ := strings.Cut(read(), " at ")
	assert.Contains(t, read(), "Without TLS")
	_, token, found := strings.Cut(read(), "/welcome#")
	require.True(t, found)
	post := func(body string) int {
		res, err := http.Post(url+"/api/account", "application/json", strings.NewReader(body))
		require.NoError(t, err)
		defer res.Body.Close()
		return res.StatusCode
	}
	require.Equal(t, 200, post(`{"token":"`+token+`","name":"Ms Alder","passphrase":"seven damp badgers hum"}`))
	require.Equal(t, 404, post(`{"token":"`+token+`","name":"Mallow","passphrase":"seven damp badgers hum"}`))

	out, errs, _ := runs(t, "", "link", "--data", data, "--for", "ms alder", "--address", "https://maths.school")
	_, token, found = strings.Cut(strings.TrimSpace(out), "https://maths.school/welcome#")
	require.True(t, found, out+errs)
	require.Equal(t, 200, post(`{"token":"`+token+`","passphrase":"eight dry badgers hum"}`))
	out, _, _ = runs(t, "", "deeds", "--data", data)
	assert.Equal(t, 4, strings.Count(out, "\n"), out)
	assert.Contains(t, strings.Split(out, "\n")[1], "set a passphrase teacher")
	_, errs, status := runs(t, "", "link", "--data", data, "--for", "Birch")
	assert.Equal(t, 1, status)
	assert.Contains(t, errs, "no such teacher")
}
