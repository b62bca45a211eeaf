package board

import (
	"bytes"

	"unitbloom/core/form"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// check refuses a board that could not be kept: a number out of range, more pieces
// than a board holds, or what a model's own file form does not take.
func (b Board) check() error {
	if n := b.Pieces(); n > MaxPieces {
		return say.Refuse("too-many-pieces", say.Int("n", say.Given, n), say.Int("limit", say.Given, MaxPieces))
	}
	for _, m := range b.Models {
		if _, err := m.InPlay().Total(); err != nil {
			return say.Refuse("number-range", say.Number("most", say.Given, place.Max))
		}
		spec, _ := SpecOf(m.Kind())
		if spec.Check == nil {
			continue
		}
		if err := spec.Check(m); err != nil {
			return say.Refuse("cannot-keep", say.Text("why", say.Given, err.Error()))
		}
	}
	return nil
}

// checkArgs refuses parameters that a file could not hold, though the move's own
// rule had nothing against them.
func (s *MoveSpec) checkArgs(args any) error {
	if f, broken := s.limits.First(args); broken {
		return BadField(f.Path, f.Reason)
	}
	return nil
}

// FileFaults says what of a move a file does not take: a kind that no model has,
// and parameters that none of those that have it would read. Whether the move fits
// a board is another question; a step may have to be mended first.
func FileFaults(path string, mv Move) []form.Fault {
	if mv.Model < 0 || mv.Model >= MaxModels {
		return []form.Fault{{Path: form.Under(path, "model"), Reason: "a board has at most four models"}}
	}
	var why error
	for _, spec := range specsOf(mv.Kind) {
		args, err := mv.argsLike(spec.Args)
		if err == nil {
			faults := spec.limits.Faults(path, args, 1)
			if len(faults) == 0 {
				return nil
			}
			err = faults[0]
		}
		if why == nil {
			why = err
		}
	}
	if why == nil {
		return []form.Fault{{Path: form.Under(path, "kind"), Reason: "there is no move called " + form.Quote(mv.Kind)}}
	}
	if f, ok := why.(form.Fault); ok {
		return []form.Fault{f}
	}
	return []form.Fault{{Path: path, Reason: why.Error()}}
}

// specsOf are the moves of a kind, of the board or of any model.
func specsOf(kind string) []*MoveSpec {
	if spec, ok := boardTable[kind]; ok {
		return []*MoveSpec{spec}
	}
	var list []*MoveSpec
	for _, m := range models {
		if spec, ok := moveTables[m.Kind][kind]; ok {
			list = append(list, spec)
		}
	}
	return list
}

// Bytes is a number of bytes that the board's JSON does not exceed, when a piece
// takes so many at most.
func (b Board) Bytes(perPiece int) int {
	n := 200 + b.Pieces()*perPiece + 200*len(b.Covers) + b.extra.Bytes()
	for _, t := range b.Tiles {
		n += 6*len(t.Title) + 2000*(1+len(t.Kept)) + t.extra.Bytes() + t.ofModel.Bytes()
	}
	return n
}

// Same reports whether two boards are the same value in a file: pieces' ids do not
// count.
func (b Board) Same(c Board) bool {
	if len(b.Models) != len(c.Models) {
		return false
	}
	if len(b.Models) > 0 && &b.Models[0] == &c.Models[0] && oneList(b.Tiles, c.Tiles) && oneList(b.Covers, c.Covers) {
		return true // a board that nobody touched
	}
	one, err1 := b.MarshalJSON()
	two, err2 := c.MarshalJSON()
	return err1 == nil && err2 == nil && bytes.Equal(one, two)
}

// oneList reports whether two lists are the same piece of memory.
func oneList[T any](a, b []T) bool {
	return len(a) == len(b) && (len(a) == 0 || &a[0] == &b[0])
}
