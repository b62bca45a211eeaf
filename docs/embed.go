// Package docs is what is published of the application's forms, for what is asked of it where the
// sources are not.
package docs

import _ "embed"

// LessonSchema is the JSON Schema of a lesson file of the present format, with every move.
//
//go:embed schema/lesson.v2.schema.json
var LessonSchema []byte
