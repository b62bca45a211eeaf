package lesson

import (
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/place"
)

// Rooms are the rooms that the models of a worked example need from its first step to its
// last, the stages of its moves included, so that nothing changes its place or its size on
// the way, laid in one of the ways that there are. A free board has none: it is laid as it
// is, and so is an example with a cover that hides what lies at a spot, whatever it is.
func (s Scene) Rooms(way board.Way) []board.Room {
	boards := s.staged()
	if len(s.Steps) == 0 || slices.ContainsFunc(boards, board.Board.HasFreeCover) {
		return nil
	}
	rooms := needs(board.Room{Tight: true, Way: way}, boards)
	for i := range rooms {
		s.addColumns(&rooms[i])
	}
	s.align(rooms)
	rooms = widened(rooms, boards)
	s.align(rooms)
	return rooms
}

// Widened are rooms for one more board, of what was tried on a copy.
func Widened(rooms []board.Room, b board.Board) []board.Room {
	if len(rooms) == 0 || b.HasFreeCover() {
		return nil
	}
	out := slices.Clone(rooms)
	for i, r := range needs(rooms[0].Bare(), []board.Board{b}) {
		if i < len(out) {
			out[i] = out[i].Join(r)
		} else {
			out = append(out, r)
		}
	}
	return widened(out, []board.Board{b})
}

// needs are the columns, rows and tracks that the models of boards need. How large that
// makes them shows only when the columns that nothing needs are gone.
func needs(bare board.Room, boards []board.Board) []board.Room {
	var rooms []board.Room
	for _, b := range boards {
		for i := range b.Models {
			if i == len(rooms) {
				rooms = append(rooms, bare)
			}
			rooms[i] = rooms[i].Join(b.LayIn(i, bare).Room)
		}
	}
	for i := range rooms {
		rooms[i].W, rooms[i].H, rooms[i].Chart, rooms[i].Reach = 0, 0, 0, nil
	}
	return rooms
}

// widened are rooms in which boards are laid, with the size that they have there: the wide
// columns of one board and the high rows of another come together.
func widened(rooms []board.Room, boards []board.Board) []board.Room {
	out := slices.Clone(rooms)
	for _, b := range boards {
		for i := range b.Models {
			out[i] = out[i].Join(b.LayIn(i, rooms[i]).Room)
		}
	}
	return out
}

// staged are all boards that are seen of the example, those within its moves too.
func (s Scene) staged() []board.Board {
	b := s.Start
	seen := []board.Board{b}
	for _, step := range s.Steps {
		for _, mv := range step.Moves {
			next, effect, err := board.Apply(b, mv)
			if err != nil {
				return seen
			}
			seen = append(append(seen, effect.Stages...), next)
			b = next
		}
	}
	return seen
}

// align gives models of one kind the same room, so that place stands under place.
func (s Scene) align(rooms []board.Room) {
	for i, m := range s.Start.Models {
		for j, other := range s.Start.Models {
			if i != j && m.Kind() == other.Kind() {
				rooms[i] = rooms[i].Join(rooms[j])
				rooms[i].Even()
			}
		}
	}
}

// addColumns adds the columns that a number needs though nothing lies in them: the ones,
// and the decimals that are written.
func (s Scene) addColumns(r *board.Room) {
	_, low, ok := r.Shows()
	if !ok {
		return
	}
	need := func(p place.Place) {
		if _, has := r.Columns[p]; !has {
			r.Columns[p] = 0
		}
	}
	need(place.Ones)
	for _, step := range s.Steps {
		for _, w := range step.Write {
			if w.Kind == "cell" && w.Place != nil && w.Text != "" && *w.Place < min(low, place.Ones) {
				need(*w.Place)
			}
		}
	}
}
