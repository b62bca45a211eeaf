package counters

import (
	"unitbloom/core/board"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// GroupsArgs are a number of groups.
type GroupsArgs struct {
	// How many groups; 0 for none.
	Count int `json:"count" jsonschema:"minimum=0,maximum=12"`
}

// ShareArgs say how far to share.
type ShareArgs struct {
	// How many times one is dealt to each group; until no full round is left when left out.
	Rounds int `json:"rounds,omitempty" jsonschema:"minimum=0,maximum=3000"`
}

// SizeArgs are the size of a group.
type SizeArgs struct {
	// Counters in each group.
	Size int `json:"size" jsonschema:"required,minimum=1,maximum=3000"`
}

// groups changes the number of groups and keeps the counters: those of a group
// that goes lie beside.
func (c Counters) groups(a GroupsArgs, t *board.Tx) (Counters, error) {
	if a.Count < 0 || a.Count > MaxGroups {
		return c, board.BadCount(a.Count, 0, MaxGroups)
	}
	c.Groups = a.Count
	c.List = pieces.Each(c.List, func(k *pieces.Piece) {
		if int(k.Group) > a.Count {
			k.Group = 0
		}
	})
	t.Say("did.groups", say.Int("n", say.Given, a.Count))
	return c, nil
}

// left are the counters in play that are in no group.
func (c Counters) left() []board.PieceID {
	var ids []board.PieceID
	for _, k := range c.List {
		if k.State == pieces.Play && k.Group == 0 {
			ids = append(ids, k.ID)
		}
	}
	return ids
}

// share deals counters round the groups, one to each at a time; every round is
// a stage. What does not make a full round is left over.
func (c Counters) share(a ShareArgs, t *board.Tx) (Counters, error) {
	if c.Groups == 0 {
		return c, say.Refuse("no-groups")
	}
	left := c.left()
	if len(left) < c.Groups {
		return c, say.Refuse("no-round", say.Int("left", say.Amount, len(left)), say.Int("groups", say.Given, c.Groups))
	}
	rounds := len(left) / c.Groups
	if a.Rounds > 0 {
		rounds = min(rounds, a.Rounds)
	}
	for round := range rounds {
		to := map[board.PieceID]int8{}
		for g := range c.Groups {
			to[left[round*c.Groups+g]] = int8(g + 1)
		}
		c.List = pieces.Each(c.List, func(k *pieces.Piece) {
			if g := to[k.ID]; g > 0 {
				*k = grouped(*k, g)
			}
		})
		if round < rounds-1 && rounds <= 20 {
			t.Stage(c)
		}
	}
	t.Say("did.shared", say.Int("rounds", say.Amount, rounds), say.Int("groups", say.Given, c.Groups))
	return c, nil
}

// inGroup counts the counters in play of a group.
func (c Counters) inGroup(n int) int {
	count := 0
	for _, k := range c.List {
		if int(k.Group) == n && k.State == pieces.Play {
			count++
		}
	}
	return count
}

// deal gives one counter to the group whose turn it is.
func (c Counters) deal(_ board.NoArgs, t *board.Tx) (Counters, error) {
	next, turn, err := pieces.Turn(c.List, c.Groups, place.Ones)
	if err != nil {
		return c, err
	}
	t.Say("did.dealt", say.Int("n", say.Given, turn))
	return c.with(pieces.Change(c.List, next, func(k *pieces.Piece) { *k = grouped(*k, int8(turn)) })), nil
}

func grouped(k pieces.Piece, g int8) pieces.Piece {
	k.Group, k.Frame, k.Cell, k.Loose, k.X, k.Y = g, 0, 0, false, 0, 0
	return k
}

// gather brings all counters out of the groups.
func (c Counters) gather(_ board.NoArgs, t *board.Tx) (Counters, error) {
	c.List = pieces.Each(c.List, func(k *pieces.Piece) { k.Group = 0 })
	t.Say("did.gathered")
	return c.fill(anyPiece), nil
}

// groupsOf makes groups of a given size; what does not fill one is left over.
func (c Counters) groupsOf(a SizeArgs, t *board.Tx) (Counters, error) {
	n := c.count()
	if a.Size < 1 || a.Size > board.MaxPieces {
		return c, board.BadCount(a.Size, 1, board.MaxPieces)
	}
	count := n / a.Size
	if count < 1 {
		return c, say.Refuse("too-few-for", say.Int("n", say.Amount, n), say.Int("size", say.Given, a.Size))
	}
	if count > MaxGroups {
		return c, say.Refuse("too-many-groups", say.Int("n", say.Given, count), say.Int("most", say.Given, MaxGroups))
	}
	c.Groups = count
	c.List = pieces.Each(c.List, func(k *pieces.Piece) { k.Group = 0 })
	for g := 1; g <= count; g++ {
		done := 0
		c.List = pieces.Each(c.List, func(k *pieces.Piece) {
			if k.State == pieces.Play && k.Group == 0 && done < a.Size {
				*k = grouped(*k, int8(g))
				done++
			}
		})
		if g < count {
			t.Stage(c)
		}
	}
	t.Say("did.groups-of", say.Int("n", say.Amount, count), say.Int("size", say.Given, a.Size))
	return c, nil
}

// PutArgs put counters into a group, or into the cells of a frame.
type PutArgs struct {
	// Which counters.
	Pieces []board.Select `json:"pieces" jsonschema:"required"`
	// The group, from 1; 0 for none.
	Group int `json:"group" jsonschema:"minimum=0,maximum=12"`
	// The frame, from 1, instead of a group.
	Frame int `json:"frame,omitempty" jsonschema:"minimum=0,maximum=60"`
	// The cell of the frame to fill first, from 1; when it is left out or not free, the first that is.
	Cell int `json:"cell,omitempty" jsonschema:"minimum=0,maximum=144"`
}

// put brings counters into one group or one frame, or out of all.
func (c Counters) put(a PutArgs, t *board.Tx) (Counters, error) {
	if a.Frame != 0 {
		return c.seat(a, t)
	}
	found, err := kit.ForGroup(c.List, a.Pieces, a.Group, c.Groups)
	if err != nil {
		return c, err
	}
	t.Say("did.put", say.Text("form", say.Amount, c.counted(len(found))))
	return c.with(pieces.Change(c.List, pieces.IDs(found), func(k *pieces.Piece) { *k = grouped(*k, int8(a.Group)) })), nil
}
