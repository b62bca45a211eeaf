// Command gen writes the published schemas and the pages about models, methods and the door from
// the Go types and registries. Run it from the top of the tree; `make generate`
// then makes the TypeScript types from the schemas.
package main

import (
	"bytes"
	"encoding/json"
	"fmt"
	"log"
	"os"
	"path/filepath"

	"unitbloom/core/lesson"
	"unitbloom/internal/manual"
	"unitbloom/internal/schema"
)

func main() {
	write(fmt.Sprintf("docs/schema/lesson.v%d.schema.json", lesson.Format), schema.Lesson())
	write("docs/schema/door.schema.json", schema.Door())
	for name, page := range manual.Pages() {
		keep(filepath.Join("docs", name), []byte(page))
	}
}

func write(path string, value any) {
	body, err := json.MarshalIndent(value, "", "  ")
	if err != nil {
		log.Fatal(err)
	}
	keep(path, append(body, '\n'))
}

// keep writes a file that is to be new or other than it was: what is unchanged is not built and tested again.
func keep(path string, body []byte) {
	if was, err := os.ReadFile(path); err == nil && bytes.Equal(was, body) {
		return
	}
	if err := os.MkdirAll(filepath.Dir(path), 0o755); err != nil {
		log.Fatal(err)
	}
	if err := os.WriteFile(path, body, 0o644); err != nil {
		log.Fatal(err)
	}
}
