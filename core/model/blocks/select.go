package blocks

import (
	"slices"
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// find gives the blocks that a selector means, in slot order. It refuses ids
// that are not there, slots past the end and counts that are too large.
func (b Blocks) find(sel board.Select) ([]Block, error) {
	if len(sel.IDs) > 0 {
		return b.byID(sel.IDs)
	}
	pool, err := b.pool(sel)
	if err != nil {
		return nil, err
	}
	switch {
	case len(sel.Slots) > 0:
		return pick(pool, sel)
	case sel.Count < 0 || sel.Count > board.MaxPieces:
		return nil, badCount(sel.Count, 1, board.MaxPieces)
	case sel.Count > len(pool):
		return nil, onlyHere(len(pool), sel.Count, sel.Place)
	case sel.Count > 0:
		return pool[:sel.Count], nil
	case len(pool) == 0:
		return nil, say.Refuse("none-here", say.PlaceName("what", sel.Place))
	}
	return pool, nil
}

// pool is the blocks of the selector's place, state and part.
func (b Blocks) pool(sel board.Select) ([]Block, error) {
	if sel.Place < Smallest || sel.Place > Largest {
		return nil, noBlock(sel.Place)
	}
	name := sel.State
	if name == "" {
		name = stateNames[Play]
	}
	state := slices.Index(stateNames, name)
	if state < 0 && name != "any" {
		return nil, say.Refuse("bad-field", say.Text("field", say.Given, "state"),
			say.Text("reason", say.Given, strconv.Quote(sel.State)+" is not play, crossed, taken, spent or any"))
	}
	var pool []Block
	for _, k := range b.Ordered {
		if k.Place == sel.Place && (name == "any" || int(k.State) == state) && (sel.Part == nil || *sel.Part == int(k.Part)) {
			pool = append(pool, k)
		}
	}
	return pool, nil
}

func pick(pool []Block, sel board.Select) ([]Block, error) {
	var out []Block
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

func (b Blocks) byID(ids []board.PieceID) ([]Block, error) {
	want := idSet(ids)
	var out []Block
	for _, k := range b.Ordered {
		if want[k.ID] {
			out = append(out, k)
			delete(want, k.ID)
		}
	}
	for _, id := range ids {
		if want[id] {
			return nil, say.Refuse("unknown-piece", say.Int("n", say.Given, int(id)))
		}
	}
	return out, nil
}

// findAll joins what several selectors mean, each block once.
func (b Blocks) findAll(sels []board.Select) ([]Block, error) {
	if len(sels) == 0 {
		return nil, say.Refuse("bad-field", say.Text("field", say.Given, "pieces"), say.Text("reason", say.Given, "say which pieces"))
	}
	var out []Block
	seen := map[board.PieceID]bool{}
	for _, sel := range sels {
		found, err := b.find(sel)
		if err != nil {
			return nil, err
		}
		for _, k := range found {
			if !seen[k.ID] {
				seen[k.ID] = true
				out = append(out, k)
			}
		}
	}
	return out, nil
}

// saved turns ids into slots of their place and state, which is how a
// selection is kept in a file.
func (b Blocks) saved(sels []board.Select) ([]board.Select, error) {
	var out []board.Select
	for _, sel := range sels {
		if len(sel.IDs) == 0 {
			out = append(out, sel)
			continue
		}
		found, err := b.byID(sel.IDs)
		if err != nil {
			return nil, err
		}
		out = append(out, b.slots(found)...)
	}
	return out, nil
}

func (b Blocks) slots(found []Block) []board.Select {
	hit := idSet(idsOf(found))
	var out []board.Select
	for p := Largest; p >= Smallest; p-- {
		for state, name := range stateNames {
			pool, _ := b.pool(board.Select{Place: p, State: name})
			sel := board.Select{Place: p}
			if State(state) != Play {
				sel.State = name
			}
			for i, k := range pool {
				if hit[k.ID] {
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

// formOf is the unit form of some blocks.
func formOf(blocks []Block) place.UnitForm {
	return place.FromCounts(func(p place.Place) int {
		n := 0
		for _, k := range blocks {
			if k.Place == p {
				n++
			}
		}
		return n
	})
}

// allIn refuses unless every block is in one of the states.
func allIn(blocks []Block, states ...State) error {
	for _, k := range blocks {
		switch {
		case slices.Contains(states, k.State):
		case k.State == Spent:
			return say.Refuse("spent")
		default:
			return say.Refuse("none-here", say.PlaceName("what", k.Place))
		}
	}
	return nil
}

func noBlock(p place.Place) error { return say.Refuse("no-block", say.PlaceName("place", p)) }

func badCount(n, least, most int) error {
	return say.Refuse("bad-count", say.Int("n", say.Given, n), say.Int("least", say.Given, least), say.Int("most", say.Given, most))
}

func onlyHere(here, asked int, p place.Place) error {
	return say.Refuse("only-here", say.Pieces("here", say.Amount, here, p), say.Int("asked", say.Given, asked))
}
