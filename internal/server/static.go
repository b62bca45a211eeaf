package server

import (
	"io/fs"
	"mime"
	"net/http"
	"path"
	"strings"

	"github.com/gin-gonic/gin"
)

const noFrontEnd = "This Unit Bloom was built without its front end. Run make build, then start it again.\n"

// static serves the built front end. Files with a hash in their name may be
// kept for ever; every page of the application is index.html.
func (s *Server) static(c *gin.Context) {
	if strings.HasPrefix(c.Request.URL.Path, "/api/") {
		fail(c, http.StatusNotFound, "not-found", "There is nothing at "+c.Request.URL.Path+".")
		return
	}
	if s.config.Files == nil {
		c.String(http.StatusServiceUnavailable, noFrontEnd)
		return
	}
	name := strings.TrimPrefix(path.Clean(c.Request.URL.Path), "/")
	if info, err := fs.Stat(s.config.Files, name); name == "" || err != nil || info.IsDir() {
		if strings.HasPrefix(name, "assets/") {
			c.String(http.StatusNotFound, "There is no such file.\n")
			return
		}
		name = "index.html"
	}
	if strings.HasPrefix(name, "assets/") {
		c.Header("Cache-Control", "public, max-age=31536000, immutable")
	} else {
		c.Header("Cache-Control", "no-cache")
	}
	s.send(c, name)
}

// send picks the smallest form of the file that the browser takes.
func (s *Server) send(c *gin.Context, name string) {
	accepts := c.GetHeader("Accept-Encoding")
	c.Header("Vary", "Accept-Encoding")
	for _, form := range []struct{ encoding, suffix string }{{"br", ".br"}, {"gzip", ".gz"}, {"", ""}} {
		if !strings.Contains(accepts, form.encoding) {
			continue
		}
		content, err := fs.ReadFile(s.config.Files, name+form.suffix)
		if err != nil {
			continue
		}
		if form.encoding != "" {
			c.Header("Content-Encoding", form.encoding)
		}
		c.Data(http.StatusOK, typeOf(name), content)
		return
	}
	c.String(http.StatusNotFound, "There is no such file.\n")
}

func typeOf(name string) string {
	switch path.Ext(name) {
	case ".js":
		return "text/javascript; charset=utf-8"
	case ".wasm":
		return "application/wasm"
	case ".webmanifest":
		return "application/manifest+json"
	case ".woff2":
		return "font/woff2"
	}
	if t := mime.TypeByExtension(path.Ext(name)); t != "" {
		return t
	}
	return "application/octet-stream"
}
