package say

import (
	"encoding/json"
	"fmt"

	"unitbloom/core/form"
)

// MarshalJSON writes the teacher's own text as a string, a message of the
// catalogue as an object, and an empty line as "".
func (l Line) MarshalJSON() ([]byte, error) {
	if l.Own != "" || l.Message.IsZero() {
		return form.JSON(l.Own)
	}
	return form.JSON(l.Message)
}

// UnmarshalJSON reads either form.
func (l *Line) UnmarshalJSON(b []byte) error {
	*l = Line{}
	if len(b) > 0 && b[0] == '"' {
		return json.Unmarshal(b, &l.Own)
	}
	if err := form.Read(b, &l.Message); err != nil {
		return fmt.Errorf("a line is a text, or a message with an id and values: %w", err)
	}
	return nil
}
