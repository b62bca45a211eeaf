// Package demo holds the demo lessons: a school's bulb-planting day. They are
// files in the open format and go through the ordinary import.
package demo

import "embed"

// Lessons are the lesson files.
//
//go:embed *.json
var Lessons embed.FS
