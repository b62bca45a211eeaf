package pieces

import (
	"slices"
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Find gives the pieces that a selector means, in slot order. It refuses ids
// that are not there, slots past the end and counts that are too large.
func (r Rules) Find(list []Piece, sel board.Select) ([]Piece, error) {
	if len(sel.IDs) > 0 {
		return byID(list, sel.IDs)
	}
	pool, err := r.Pool(list, sel)
	if err != nil {
		return nil, err
	}
	switch {
	case len(sel.Slots) > 0:
		return pick(pool, sel)
	case sel.Count < 0 || sel.Count > board.MaxPieces:
		return nil, board.BadCount(sel.Count, 1, board.MaxPieces)
	case sel.Count > len(pool):
		return nil, onlyHere(len(pool), sel.Count, sel.Place)
	case sel.Count > 0:
		return pool[:sel.Count], nil
	case len(pool) == 0:
		return nil, say.Refuse("none-here", say.PlaceName("what", sel.Place))
	}
	return pool, nil
}

// Pool is the pieces of the selector's place, state and part. They may be the list's own, and
// are not altered.
func (r Rules) Pool(list []Piece, sel board.Select) ([]Piece, error) {
	if !r.Has(sel.Place) {
		return nil, r.NoPiece(sel.Place)
	}
	name := sel.State
	if name == "" {
		name = stateNames[Play]
	}
	state := slices.Index(stateNames, name)
	if state < 0 && name != "any" {
		return nil, board.BadField("state", strconv.Quote(sel.State)+" is not play, crossed, taken, spent, copy or any")
	}
	of := func(k *Piece) bool {
		return k.Place == sel.Place && (name == "any" || int(k.State) == state) &&
			(sel.Part == nil || *sel.Part == int(k.Part))
	}
	first, last, n := 0, -1, 0
	for i := range list {
		if of(&list[i]) {
			if n == 0 {
				first = i
			}
			last, n = i, n+1
		}
	}
	// They mostly lie side by side, and need no copy.
	if run := list[first : last+1 : last+1]; len(run) == n {
		return run, nil
	}
	pool := make([]Piece, 0, n)
	for i := first; i <= last; i++ {
		if of(&list[i]) {
			pool = append(pool, list[i])
		}
	}
	return pool, nil
}

func pick(pool []Piece, sel board.Select) ([]Piece, error) {
	var out []Piece
	slots := slices.Clone(sel.Slots)
	slices.Sort(slots)
	for _, s := range slices.Compact(slots) {
		if s < 0 || s >= len(pool) {
			return nil, onlyHere(len(pool), s+1, sel.Place)
		}
		out = append(out, pool[s])
	}
	return out, nil
}

func byID(list []Piece, ids []board.PieceID) ([]Piece, error) {
	want := idSet(ids)
	out := make([]Piece, 0, len(ids))
	for _, k := range list {
		if want.has(k.ID) {
			out = append(out, k)
		}
	}
	found := idSet(IDs(out))
	for _, id := range ids {
		if !found.has(id) {
			return nil, say.Refuse("unknown-piece", say.Int("n", say.Given, int(id)))
		}
	}
	return out, nil
}

// FindAll joins what several selectors mean, each piece once, in the order of
// the board: how they were chosen makes no difference.
func (r Rules) FindAll(list []Piece, sels []board.Select) ([]Piece, error) {
	if len(sels) == 0 {
		return nil, board.BadField("pieces", "say which pieces")
	}
	if len(sels) == 1 {
		found, err := r.Find(list, sels[0])
		return slices.Clone(found), err
	}
	var ids []board.PieceID
	for _, sel := range sels {
		found, err := r.Find(list, sel)
		if err != nil {
			return nil, err
		}
		ids = append(ids, IDs(found)...)
	}
	return byID(list, ids)
}

// FindPlaying is FindAll, and refuses unless every piece is in play.
func (r Rules) FindPlaying(list []Piece, sels []board.Select) ([]Piece, error) {
	found, err := r.FindAll(list, sels)
	if err != nil {
		return nil, err
	}
	return found, AllIn(found, Play)
}

// ForGroup finds pieces in play that go into one of so many groups, or with 0 out
// of all.
func (r Rules) ForGroup(list []Piece, sels []board.Select, group, groups int) ([]Piece, error) {
	if group < 0 || group > groups {
		return nil, say.Refuse("no-group", say.Int("n", say.Given, group), say.Int("groups", say.Given, groups))
	}
	return r.FindPlaying(list, sels)
}

// Saved turns ids into slots of their place and state, which is how a
// selection is kept in a file.
func (r Rules) Saved(list []Piece, sels []board.Select) ([]board.Select, error) {
	var out []board.Select
	for _, sel := range sels {
		if len(sel.IDs) == 0 {
			out = append(out, sel)
			continue
		}
		found, err := byID(list, sel.IDs)
		if err != nil {
			return nil, err
		}
		out = append(out, r.slots(list, found)...)
	}
	return out, nil
}

func (r Rules) slots(list, found []Piece) []board.Select {
	hit := idSet(IDs(found))
	var out []board.Select
	for p := r.Most; p >= r.Least; p-- {
		for state, name := range stateNames {
			pool, _ := r.Pool(list, board.Select{Place: p, State: name})
			sel := board.Select{Place: p}
			if State(state) != Play {
				sel.State = name
			}
			for i, k := range pool {
				if hit.has(k.ID) {
					sel.Slots = append(sel.Slots, i)
				}
			}
			if sel.Slots != nil {
				out = append(out, sel)
			}
		}
	}
	return out
}

// AllIn refuses unless every piece is in one of the states.
func AllIn(list []Piece, states ...State) error {
	for _, k := range list {
		switch {
		case slices.Contains(states, k.State):
		case k.State == Spent:
			return say.Refuse("spent")
		case k.State == Copy:
			return say.Refuse("only-copy")
		default:
			return say.Refuse("none-here", say.PlaceName("what", k.Place))
		}
	}
	return nil
}

func onlyHere(here, asked int, p place.Place) error {
	return say.Refuse("only-here", say.Pieces("here", say.Amount, here, p), say.Int("asked", say.Given, asked))
}

// Turn is the piece of a place that is dealt next, and the group whose turn it is, from 1:
// the first of those that have fewest of that place.
func Turn(list []Piece, groups int, at place.Place) (next []board.PieceID, group int, err error) {
	if groups == 0 {
		return nil, 0, say.Refuse("no-groups")
	}
	in := make([]int, groups)
	for _, k := range list {
		switch {
		case k.State != Play || k.Place != at:
		case k.Group > 0:
			in[k.Group-1]++
		case next == nil:
			next = []board.PieceID{k.ID}
		}
	}
	if next == nil {
		return nil, 0, say.Refuse("none-to-deal")
	}
	return next, slices.Index(in, slices.Min(in)) + 1, nil
}
