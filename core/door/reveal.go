package door

import (
	"fmt"
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

// A free board has no questions of its own: what waits there for the class is what the
// teacher has held back, and she reveals it, one after another.

// counts names the counts of a model among what is revealed; the others are read-outs.
const counts = "counts"

func secretOf(model int, what string) string { return fmt.Sprintf("%d %s", model, what) }

// isHeld reports whether something of a model waits to be revealed to a class.
func (s *session) isHeld(model int, what string) bool {
	return s.present && !slices.Contains(s.revealed, secretOf(model, what))
}

// countsHeld and readOutHeld report whether the counts of a model, or one of its read-outs,
// wait to be revealed.
func (s *session) countsHeld(model int, tile board.Tile) bool {
	return tile.Counts == board.OnReveal && s.isHeld(model, counts)
}

func (s *session) readOutHeld(model int, tile board.Tile, id string) bool {
	return slices.Contains(tile.Held, id) && s.isHeld(model, id)
}

// secret is one thing that waits: the counts or a read-out of a model, or a cover.
type secret struct {
	name  string
	cover *board.Move
}

// secrets are what waits on a free board, in the order in which it is revealed: of each
// model its covers, its counts, its read-outs. A cover comes off; what it hid can be counted
// before its count is told.
func (s *session) secrets(sc lesson.Scene, b board.Board) []secret {
	if len(sc.Steps) > 0 || !s.present || !sc.Page.Shows() {
		return nil
	}
	var out []secret
	for i, tile := range b.Tiles {
		for _, c := range b.CoversOn(i) {
			index := c.Index
			out = append(out, secret{cover: &board.Move{Kind: "uncover", Model: i, Args: board.UncoverArgs{Index: &index}}})
		}
		if s.countsHeld(i, tile) {
			out = append(out, secret{name: secretOf(i, counts)})
		}
		for _, id := range tile.Held {
			if s.isHeld(i, id) {
				out = append(out, secret{name: secretOf(i, id)})
			}
		}
	}
	return out
}

// reveal shows the next thing that is held back on a free board. A cover is taken off as a
// move; the rest is seen until another number is built or another board is shown.
func reveal(s *session, _ None) (Update, error) {
	sc, ok := s.current()
	if !ok {
		return Update{}, say.Refuse("nothing-held")
	}
	waiting := s.secrets(sc, s.board())
	if len(waiting) == 0 {
		return Update{}, say.Refuse("nothing-held")
	}
	next := waiting[0]
	if next.cover == nil {
		s.revealed = append(slices.Clip(s.revealed), next.name)
		return s.update(nil), nil
	}
	d, err := apply(s, ApplyArgs{Move: *next.cover})
	if err != nil {
		return Update{}, err
	}
	return s.update(d.Edits), nil
}

// hideAgain holds back again what was revealed, once the board shows another number.
func (s *session) hideAgain(was board.Board, mv board.Move) {
	if law, err := board.LawOf(was, mv); err == nil && law.Kind == board.Sets {
		s.revealed = nil
	}
}
