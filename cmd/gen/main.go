// Command gen writes the published schemas and the pages about models and methods from
// the Go types and registries. Run it from the top of the tree; `make generate`
// then makes the TypeScript types from the schemas.
package main

import (
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
	for path, page := range map[string]string{"docs/models.md": manual.Models(), "docs/methods.md": manual.Methods()} {
		if err := os.WriteFile(path, []byte(page), 0o644); err != nil {
			log.Fatal(err)
		}
	}
}

func write(path string, value any) {
	body, err := json.MarshalIndent(value, "", "  ")
	if err != nil {
		log.Fatal(err)
	}
	if err := os.MkdirAll(filepath.Dir(path), 0o755); err != nil {
		log.Fatal(err)
	}
	if err := os.WriteFile(path, append(body, '\n'), 0o644); err != nil {
		log.Fatal(err)
	}
}
