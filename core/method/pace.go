package method

import (
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/model/counters"
	"unitbloom/core/model/cubes"
	"unitbloom/core/model/pieces"
	"unitbloom/core/model/rack"
	"unitbloom/core/place"
)

// most is how many pieces a number is built of one at a time; larger ones come
// by groups.
const most = 150

// oneByOne are the moves that do the same as mv on b with one piece at a time;
// mv alone when it is one act.
func oneByOne(b board.Board, mv board.Move) []board.Move {
	m := b.Models[mv.Model]
	var out []board.Move
	with := func(kind string, args any) { out = append(out, board.Move{Kind: kind, Model: mv.Model, Args: args}) }
	switch a := mv.Args.(type) {
	case rack.SlideArgs:
		for _, p := range a.Rows {
			for left := m.(rack.Rack).Left[p.Row-1]; left != p.To; {
				if left < p.To {
					left++
				} else {
					left--
				}
				with("slide", rack.SlideArgs{Rows: []rack.Push{{Row: p.Row, To: left}}})
			}
		}
	case pieces.PiecesArgs:
		if mv.Kind != "take" || len(a.Pieces) != 1 {
			break
		}
		one := a.Pieces[0]
		slots := slices.Sorted(slices.Values(one.Slots))
		// The last first, so that the slots before it stay what they are.
		for i := len(slots) - 1; i >= 0; i-- {
			with("take", pieces.PiecesArgs{Pieces: []board.Select{{Place: one.Place, State: one.State, Slots: slots[i : i+1]}}})
		}
		n := one.Count
		one.Count = 1
		for range n {
			with("take", pieces.PiecesArgs{Pieces: []board.Select{one}})
		}
	case pieces.AmountArgs:
		form, err := place.ParseAmount(a.Amount)
		if err != nil || mv.Kind == "build" && m.Pieces() > 0 || mv.Kind != "build" && mv.Kind != "place" {
			break
		}
		for _, c := range form {
			for range min(c.Count, most+1) {
				with("place", pieces.AmountArgs{Amount: place.Count{Place: c.Place, Count: 1}.String(), Part: a.Part})
			}
		}
	case counters.NumberArgs:
		n, err := place.Parse(a.Amount)
		count, whole := n.Whole()
		if mv.Kind != "build" || m.Pieces() > 0 || err != nil || !whole {
			break
		}
		for range min(count, most+1) {
			with("place", counters.PlaceArgs{Count: 1})
		}
	case counters.PlaceArgs:
		for range a.Count {
			one := a
			one.Count = 1
			with("place", one)
		}
	case cubes.TrainArgs:
		with("place", cubes.TrainArgs{Count: 1, Part: a.Part})
		train := m.(cubes.Cubes).Trains() + 1
		for range a.Count - 1 {
			with("add", cubes.AddArgs{Train: train, Count: 1, Part: a.Part})
		}
	case cubes.AddArgs:
		for range a.Count {
			with("add", cubes.AddArgs{Train: a.Train, Count: 1, Part: a.Part})
		}
	case counters.PutArgs:
		if len(a.Pieces) != 1 {
			break
		}
		for _, slot := range a.Pieces[0].Slots {
			with("put", counters.PutArgs{Pieces: []board.Select{{Place: a.Pieces[0].Place, Slots: []int{slot}}}, Group: a.Group})
		}
	}
	if len(out) == 0 || len(out) > most {
		return []board.Move{mv}
	}
	return out
}
