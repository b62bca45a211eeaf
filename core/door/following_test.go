package door_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/door"
)

func grid(w *door.Written) map[string]string {
	out := map[string]string{}
	if w == nil {
		return nil
	}
	for _, c := range w.Cells {
		out[c.Row+" "+c.Place] = c.Text
	}
	return out
}

// The written method is shown beside a free board on demand, in one undo with the traces
// that it is read from; it comes with every move, and tells nothing under a cover.
func TestTheWrittenMethodFollowsTheHandOnAFreeBoard(t *testing.T) {
	d := openBoard(t, "blocks 0", "numeral")
	assert.Nil(t, d.shown("a", 0, false).Written)
	d.call("setScene", map[string]any{"scene": "a", "show": []string{"numeral", "written"}}, nil)
	require.NotNil(t, d.shown("a", 0, false).Written)
	move := func(mv string) map[string]string {
		raw := d.door.Call("apply", []byte(`{"handle":1,"move":`+mv+`}`))
		require.Contains(t, string(raw), `"ok"`)
		return grid(d.shown("a", 0, false).Written)
	}
	assert.Equal(t, map[string]string{"addend 1 tens": "2", "addend 1 ones": "8", "addend 2 tens": "1",
		"addend 2 ones": "5", "addend 2 ": "+"},
		move(`{"kind":"build","amount":"28 + 15"}`))
	after := move(`{"kind":"bundle","place":"ones"}`)
	assert.Equal(t, "1", after["mark tens"])
	assert.Equal(t, "3", after["sum ones"])
	for _, c := range d.shown("a", 0, false).Written.Cells {
		if c.Row == "mark" {
			assert.Len(t, c.IDs, 1, "the mark stands for the new ten")
		}
	}
	assert.Empty(t, move(`{"kind":"cover","zone":"tens"}`))
	d.call("undo", map[string]any{}, nil)
	d.call("undo", map[string]any{}, nil)
	assert.NotContains(t, grid(d.shown("a", 0, false).Written), "mark tens", "undo takes it back with the pieces")
	d.call("undo", map[string]any{}, nil)
	d.call("undo", map[string]any{}, nil)
	assert.Nil(t, d.shown("a", 0, false).Written)
	assert.NotContains(t, asText(t, d.document()), "traces")
	rack := openBoard(t, "rack 2: 6")
	assert.Equal(t, "The written method follows blocks and discs, not rack.",
		rack.try("setScene", map[string]any{"scene": "a", "show": []string{"written"}}, nil))
}
