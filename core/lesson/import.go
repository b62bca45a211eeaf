package lesson

import (
	"errors"
	"strings"

	"unitbloom/core/form"
)

// FileError is what is wrong with a file, at most twenty faults of it.
type FileError struct{ Faults []form.Fault }

// Error is the first fault, and how many more there are.
func (e *FileError) Error() string {
	lines := []string{e.Faults[0].Error()}
	if n := len(e.Faults) - 1; n == 1 {
		lines = append(lines, "There is one more fault")
	} else if n > 1 {
		lines = append(lines, "There are more faults")
	}
	return strings.Join(lines, ". ")
}

// Import reads a file that comes from outside: it must be of the published form
// throughout, so that what we take we can also give. Of a newer version as much is
// read as is understood.
func Import(raw []byte) (Lesson, error) {
	if len(raw) > MaxBytes {
		return Lesson{}, errors.New("file: it is longer than 8 MB, the most that is taken")
	}
	if err := form.Measure(raw); err != nil {
		return Lesson{}, err
	}
	l, err := Decode(raw)
	if err != nil || l.Newer != nil {
		return l, err
	}
	if faults := l.Faults(); len(faults) > 0 {
		return Lesson{}, &FileError{faults}
	}
	return l, nil
}
