package method

import "unitbloom/core/board"

// most is how many pieces a number is built of one at a time; larger ones come
// by groups.
const most = 150

// oneByOne are the moves that do the same as mv on b with one piece at a time;
// mv alone when it is one act.
func oneByOne(b board.Board, mv board.Move) []board.Move {
	m := b.Models[mv.Model]
	spec, _ := board.SpecOf(m.Kind())
	if spec.Split == nil {
		return []board.Move{mv}
	}
	list := spec.Split(m, mv)
	if len(list) == 0 || len(list) > most {
		return []board.Move{mv}
	}
	for i := range list {
		list[i].Model = mv.Model
	}
	return list
}
