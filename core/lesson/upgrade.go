package lesson

import (
	"encoding/json"
	"fmt"
)

// upgrader turns the raw JSON of a format into that of the next: pure functions,
// never changed once a format is out.
type upgrader struct {
	// document upgrades a whole lesson, edits the list of one save.
	document, edits func(json.RawMessage) (json.RawMessage, error)
}

// upgraders[0] reads format 1.
var upgraders = []upgrader{{document: documentFrom1, edits: same}}

// Upgrade brings a lesson file of a format to the present one.
func Upgrade(format int, raw []byte) ([]byte, error) {
	return upgraded(format, raw, func(u upgrader) func(json.RawMessage) (json.RawMessage, error) { return u.document })
}

// UpgradeEdits brings the edits of a save, kept by a database or an outbox, to the
// present format.
func UpgradeEdits(format int, raw []byte) ([]byte, error) {
	return upgraded(format, raw, func(u upgrader) func(json.RawMessage) (json.RawMessage, error) { return u.edits })
}

func upgraded(format int, raw []byte, of func(upgrader) func(json.RawMessage) (json.RawMessage, error)) ([]byte,
	error) {
	if format < 1 || format > Format {
		return nil, fmt.Errorf("format: %d is not from 1 to %d", format, Format)
	}
	for f := format; f < Format; f++ {
		var err error
		if raw, err = of(upgraders[f-1])(raw); err != nil {
			return nil, fmt.Errorf("format %d: %w", f, err)
		}
	}
	return raw, nil
}

// documentFrom1: format 2 says its minor and what it requires; format 1 had
// neither, and nothing else is different.
func documentFrom1(raw json.RawMessage) (json.RawMessage, error) {
	var file map[string]json.RawMessage
	if err := json.Unmarshal(raw, &file); err != nil {
		return nil, err
	}
	file["format"] = json.RawMessage("2")
	return json.Marshal(file)
}

// same is for what a format has in common with the one before.
func same(raw json.RawMessage) (json.RawMessage, error) { return raw, nil }
