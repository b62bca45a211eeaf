package door

import (
	"strconv"

	"unitbloom/core/board"
)

// Pieces are pieces as they are drawn, each [id, look, x, y, w, h, part, marks] in
// model units, and what is written on it when there is something.
type Pieces []board.Sprite

// MarshalJSON writes the lists.
func (list Pieces) MarshalJSON() ([]byte, error) {
	return list.AppendJSON(make([]byte, 0, 2+48*len(list))), nil
}

// AppendJSON writes them behind what is written already.
func (list Pieces) AppendJSON(out []byte) []byte {
	out = append(out, '[')
	for i := range list {
		if i > 0 {
			out = append(out, ',')
		}
		p := &list[i]
		out = strconv.AppendUint(append(out, '['), uint64(p.ID), 10)
		out = append(append(append(out, `,"`...), p.Drawing...), '"')
		for _, n := range [...]int32{p.X, p.Y, p.W, p.H, int32(p.Part), int32(p.Marks)} {
			out = strconv.AppendInt(append(out, ','), int64(n), 10)
		}
		if p.Text != "" {
			out = strconv.AppendQuote(append(out, ','), p.Text)
		}
		out = append(out, ']')
	}
	return append(out, ']')
}
