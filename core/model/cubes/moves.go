package cubes

import (
	"slices"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/chance"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// NumberArgs are a typed number of cubes.
type NumberArgs struct {
	// A whole number (9), parts of a train (5 + 4), or a unit form with towers (2 tens 3 ones).
	Amount string `json:"amount" jsonschema:"required"`
}

// TrainArgs are a new train.
type TrainArgs struct {
	// Cubes in the train.
	Count int `json:"count" jsonschema:"required,minimum=1,maximum=20"`
	// The colour, from 1; 0 for the plain one.
	Part int `json:"part,omitempty" jsonschema:"minimum=0,maximum=4"`
}

// SnapArgs name a place between two cubes.
type SnapArgs struct {
	// The train, from 1.
	Train int `json:"train" jsonschema:"required,minimum=1,maximum=60"`
	// Cubes before the snap; 0 for a place at random.
	After int `json:"after,omitempty" jsonschema:"minimum=0,maximum=19"`
	// For a place at random: the same seed gives the same place.
	Seed int `json:"seed,omitempty" jsonschema:"minimum=0"`
}

// JoinArgs name two trains.
type JoinArgs struct {
	// The train that comes first.
	Train int `json:"train" jsonschema:"required,minimum=1,maximum=60"`
	// The train that is joined to its end.
	With int `json:"with" jsonschema:"required,minimum=1,maximum=60"`
}

// ColourArgs colour cubes.
type ColourArgs struct {
	// Which cubes.
	Pieces []board.Select `json:"pieces" jsonschema:"required"`
	// The colour, from 1; 0 for the plain one.
	Part int `json:"part" jsonschema:"minimum=0,maximum=4"`
}

// OneTrainArgs name a train.
type OneTrainArgs struct {
	// The train, from 1.
	Train int `json:"train" jsonschema:"required,minimum=1,maximum=60"`
}

// AddArgs are cubes for the end of a train.
type AddArgs struct {
	// The train, from 1.
	Train int `json:"train" jsonschema:"required,minimum=1,maximum=60"`
	// How many cubes.
	Count int `json:"count" jsonschema:"required,minimum=1,maximum=20"`
	// Their colour, from 1; 0 for the plain one.
	Part int `json:"part,omitempty" jsonschema:"minimum=0,maximum=4"`
}

// cubesOf makes n cubes of a train.
func cubesOf(n, part int, train int8, t *board.Tx) []pieces.Piece {
	out := pieces.Many(place.Ones, n, part, t.TakeIDs(n))
	for i := range out {
		out[i].Group = train
	}
	return out
}

// amount is what build reads: towers, and the parts of one train.
type amount struct {
	towers int
	parts  []int
}

func (a amount) ones() int {
	n := 0
	for _, p := range a.parts {
		n += p
	}
	return n
}

func readAmount(text string) (amount, error) {
	var a amount
	texts := strings.Split(text, "+")
	for _, one := range texts {
		form, err := place.ParseAmount(one)
		if err != nil {
			return a, board.BadNumber(err)
		}
		total, err := form.Total()
		if err != nil {
			return a, board.BadNumber(err)
		}
		n, whole := total.Whole()
		if !whole {
			return a, say.Refuse("cubes-whole", say.Number("n", say.Given, total))
		}
		_, err = place.Parse(one)
		if len(texts) == 1 && (err != nil || n > MaxTrain) {
			// A unit form keeps its tens, and a number past a train is built of towers.
			a.towers, n = n/10, n%10
			if err != nil {
				a.towers, n = form.Of(place.Tens)+form.Of(place.Hundreds)*10, form.Of(place.Ones)
			}
		}
		if n > 0 {
			a.parts = append(a.parts, n)
		}
	}
	if len(a.parts) > MaxPart {
		return a, board.BadCount(len(a.parts), 1, MaxPart)
	}
	if a.ones() > MaxTrain {
		return a, say.Refuse("train-long", say.Int("n", say.Given, a.ones()), say.Int("most", say.Given, MaxTrain))
	}
	return a, nil
}

func (c Cubes) build(a NumberArgs, t *board.Tx) (Cubes, error) {
	want, err := readAmount(a.Amount)
	if err != nil {
		return c, err
	}
	if err := t.CheckRoom(want.towers + want.ones() - len(c.List)); err != nil {
		return c, err
	}
	list := pieces.Many(place.Tens, want.towers, 0, t.TakeIDs(want.towers))
	for i, n := range want.parts {
		part := i + 1
		if len(want.parts) == 1 {
			part = 0
		}
		list = append(list, cubesOf(n, part, 1, t)...)
	}
	built := say.Form("form", say.Given, pieces.FormOf(list))
	if len(want.parts) > 1 {
		built = say.Sum("form", say.Given, want.parts)
	}
	t.Say("did.built", built)
	return c.with(list), nil
}

func buildLaw(_ Cubes, a NumberArgs) (board.Law, error) {
	want, err := readAmount(a.Amount)
	if err != nil {
		return board.Law{}, err
	}
	return board.Law{Kind: board.Sets, Value: place.Int(want.towers*10 + want.ones())}, nil
}

// putDown lays a new train below the others.
func (c Cubes) putDown(a TrainArgs, t *board.Tx) (Cubes, error) {
	switch n := len(c.trains()); {
	case a.Count < 1 || a.Count > MaxTrain:
		return c, board.BadCount(a.Count, 1, MaxTrain)
	case a.Part < 0 || a.Part > MaxPart:
		return c, board.BadCount(a.Part, 0, MaxPart)
	case n == MaxTrains:
		return c, board.BadCount(n+1, 0, MaxTrains)
	}
	if err := t.CheckRoom(a.Count); err != nil {
		return c, err
	}
	t.Say("did.train", say.Int("n", say.Given, a.Count))
	return c.with(append(slices.Clone(c.List), cubesOf(a.Count, a.Part, int8(len(c.trains())+1), t)...)), nil
}

func (c Cubes) train(n int) ([]pieces.Piece, error) {
	trains := c.trains()
	if n < 1 || n > len(trains) {
		return nil, say.Refuse("no-train", say.Int("n", say.Given, n), say.Int("trains", say.Given, len(trains)))
	}
	return trains[n-1], nil
}

// add puts cubes on the end of a train.
func (c Cubes) add(a AddArgs, t *board.Tx) (Cubes, error) {
	train, err := c.train(a.Train)
	if err != nil {
		return c, err
	}
	switch {
	case a.Count < 1 || a.Count > MaxTrain:
		return c, board.BadCount(a.Count, 1, MaxTrain)
	case a.Part < 0 || a.Part > MaxPart:
		return c, board.BadCount(a.Part, 0, MaxPart)
	case len(train)+a.Count > MaxTrain:
		return c, say.Refuse("train-long", say.Int("n", say.Given, len(train)+a.Count), say.Int("most", say.Given, MaxTrain))
	}
	if err := t.CheckRoom(a.Count); err != nil {
		return c, err
	}
	t.Say("did.added", say.Int("n", say.Given, a.Count))
	return c.with(append(slices.Clone(c.List), cubesOf(a.Count, a.Part, int8(a.Train), t)...)), nil
}

// snap breaks a train between two cubes.
func (c Cubes) snap(a SnapArgs, t *board.Tx) (Cubes, error) {
	train, err := c.train(a.Train)
	if err != nil {
		return c, err
	}
	if len(train) < 2 {
		return c, say.Refuse("one-cube")
	}
	if len(c.trains()) == MaxTrains {
		return c, board.BadCount(MaxTrains+1, 0, MaxTrains)
	}
	after := a.After
	if after == 0 {
		after = 1 + chance.Source(uint64(max(0, a.Seed)))(len(train)-1)
	}
	if after < 1 || after >= len(train) {
		return c, board.BadCountHere(after, 1, len(train)-1)
	}
	first := map[board.PieceID]bool{}
	for _, k := range train[:after] {
		first[k.ID] = true
	}
	t.Say("did.snapped", say.Int("first", say.Part, after), say.Int("second", say.Part, len(train)-after))
	return c.with(pieces.Each(c.List, func(k *pieces.Piece) {
		if linked(*k) && (int(k.Group) > a.Train || int(k.Group) == a.Train && !first[k.ID]) {
			k.Group++
		}
	})), nil
}

// join puts a train on the end of another. Colours are kept, so that the parts
// are still seen.
func (c Cubes) join(a JoinArgs, t *board.Tx) (Cubes, error) {
	one, err := c.train(a.Train)
	if err != nil {
		return c, err
	}
	two, err := c.train(a.With)
	if err != nil {
		return c, err
	}
	if a.Train == a.With {
		return c, say.Refuse("same-train")
	}
	if n := len(one) + len(two); n > MaxTrain {
		return c, say.Refuse("train-long", say.Int("n", say.Given, n), say.Int("most", say.Given, MaxTrain))
	}
	rest := pieces.Without(c.List, pieces.IDs(two))
	joined := pieces.Each(two, func(k *pieces.Piece) { k.Group = int8(a.Train) })
	t.Say("did.trains-joined", say.Int("first", say.Part, len(one)), say.Int("second", say.Part, len(two)))
	return c.with(append(rest, joined...)), nil
}

func (c Cubes) colour(a ColourArgs, t *board.Tx) (Cubes, error) {
	if a.Part < 0 || a.Part > MaxPart {
		return c, board.BadCount(a.Part, 0, MaxPart)
	}
	found, err := kit.FindAll(c.List, a.Pieces)
	if err != nil {
		return c, err
	}
	t.Say("did.coloured")
	return c.with(pieces.Change(c.List, pieces.IDs(found), func(k *pieces.Piece) { k.Part = int8(a.Part) })), nil
}

// colourTrains gives each train a colour of its own.
func (c Cubes) colourTrains(_ board.NoArgs, t *board.Tx) (Cubes, error) {
	t.Say("did.coloured")
	return c.with(pieces.Each(c.List, func(k *pieces.Piece) {
		if linked(*k) {
			k.Part = (k.Group-1)%MaxPart + 1
		}
	})), nil
}

// largerFirst brings the longest train to the top, to count on from it.
func (c Cubes) largerFirst(_ board.NoArgs, t *board.Tx) (Cubes, error) {
	trains := c.trains()
	if len(trains) < 2 {
		return c, say.Refuse("one-train")
	}
	best := 0
	for i := range trains {
		if len(trains[i]) > len(trains[best]) {
			best = i
		}
	}
	t.Say("did.larger-first")
	return c.with(pieces.Each(c.List, func(k *pieces.Piece) {
		switch at := int(k.Group) - 1; {
		case !linked(*k):
		case at == best:
			k.Group = 1
		case at < best:
			k.Group++
		}
	})), nil
}

// tower makes the first ten cubes of a train into a tower.
func (c Cubes) tower(a OneTrainArgs, t *board.Tx) (Cubes, error) {
	train, err := c.train(a.Train)
	if err != nil {
		return c, err
	}
	train = slices.DeleteFunc(slices.Clone(train), func(k pieces.Piece) bool { return k.State != pieces.Play })
	if len(train) < 10 {
		return c, say.Refuse("too-few", say.Pieces("here", say.Amount, len(train), place.Ones),
			say.PlaceName("ten", place.Tens), say.Int("more", say.Given, 10-len(train)))
	}
	ids := pieces.IDs(train[:10])
	made := pieces.Piece{ID: t.NewID(), Place: place.Tens, Part: pieces.CommonPart(train[:10]), New: true}
	t.Became(ids, []board.PieceID{made.ID})
	t.Say("did.tower")
	return c.with(append(pieces.Without(c.List, ids), made)), nil
}

// open makes the last tower in play into a train of ten cubes.
func (c Cubes) open(_ board.NoArgs, t *board.Tx) (Cubes, error) {
	pool, _ := kit.Pool(c.List, board.Select{Place: place.Tens})
	if len(pool) == 0 {
		return c, say.Refuse("no-tower")
	}
	if len(c.trains()) == MaxTrains {
		return c, board.BadCount(MaxTrains+1, 0, MaxTrains)
	}
	if err := t.CheckRoom(9); err != nil {
		return c, err
	}
	tower := pool[len(pool)-1]
	made := cubesOf(10, int(tower.Part), int8(len(c.trains())+1), t)
	t.Became([]board.PieceID{tower.ID}, pieces.IDs(made))
	t.Say("did.tower-opened")
	return c.with(append(pieces.Without(c.List, []board.PieceID{tower.ID}), made...)), nil
}

func (c Cubes) tidy(_ board.NoArgs, t *board.Tx) (Cubes, error) {
	t.Say("did.tidied")
	return c.with(pieces.Tidy(c.List)), nil
}

func (c Cubes) clear(_ board.NoArgs, t *board.Tx) (Cubes, error) {
	t.Say("did.cleared")
	return c.with(nil), nil
}
