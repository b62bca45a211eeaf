// Package web holds the built front end, embedded in the binary. In a clone
// where it has not been built only a placeholder is there.
package web

import (
	"embed"
	"io/fs"
)

//go:embed all:dist
var dist embed.FS

// Files is the built front end; ok is false when it has not been built.
func Files() (files fs.FS, ok bool) {
	files, err := fs.Sub(dist, "dist")
	if err != nil {
		return nil, false
	}
	_, err = fs.Stat(files, "index.html")
	return files, err == nil
}
