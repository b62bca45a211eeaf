package pieces

import (
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/place"
)

// Split are the moves that take pieces, or place an amount, one at a time.
func Split(m board.Model, mv board.Move) (out []board.Move) {
	switch a := mv.Args.(type) {
	case PiecesArgs:
		if mv.Kind != "take" || len(a.Pieces) != 1 {
			return nil
		}
		take := func(one board.Select) {
			out = append(out, board.Move{Kind: "take", Args: PiecesArgs{Pieces: []board.Select{one}}})
		}
		one := a.Pieces[0]
		slots := slices.Sorted(slices.Values(one.Slots))
		// The last first, so that the slots before it stay what they are.
		for i := len(slots) - 1; i >= 0; i-- {
			take(board.Select{Place: one.Place, State: one.State, Slots: slots[i : i+1]})
		}
		n := one.Count
		one.Count = 1
		for range n {
			take(one)
		}
	case AmountArgs:
		form, err := place.ParseAmount(a.Amount)
		if err != nil || mv.Kind == "build" && m.Pieces() > 0 || mv.Kind != "build" && mv.Kind != "place" {
			return nil
		}
		for _, c := range form {
			for range min(c.Count, board.MaxPieces) {
				out = append(out, Lay(1, c.Place, a.Part)...)
			}
		}
	}
	return out
}

// Build is the act of models that are built from amounts.
func Build(amount string) board.Move {
	return board.Move{Kind: "build", Args: AmountArgs{Amount: amount}}
}

// Ring rings pieces by their slots.
func Ring(_ board.Model, slots []int, beside bool) board.Move {
	return board.Move{Kind: "ring", Args: RingArgs{Pieces: []board.Select{{Slots: slots}}, Beside: beside}}
}
