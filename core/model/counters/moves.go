package counters

import (
	"slices"
	"strconv"
	"strings"
	"unicode"

	"unitbloom/core/board"
	"unitbloom/core/chance"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// NumberArgs are a typed number of counters.
type NumberArgs struct {
	// A whole number (9), or one for each colour (6 + 3).
	Amount string `json:"amount" jsonschema:"required"`
}

// PlaceArgs are counters to put beside the others.
type PlaceArgs struct {
	// How many counters.
	Count int `json:"count" jsonschema:"required,minimum=1,maximum=3000"`
	// With the mint face up.
	Mint bool `json:"mint,omitempty"`
	// Into this group, from 1; on the mat when left out.
	Group int `json:"group,omitempty" jsonschema:"minimum=0,maximum=12"`
	// Into the free cells of this frame, from 1; into those of any when left out.
	Frame int `json:"frame,omitempty" jsonschema:"minimum=0,maximum=60"`
}

// FirstArgs hold the size of the first part.
type FirstArgs struct {
	// Counters of the first part; the rest are the second.
	First int `json:"first" jsonschema:"minimum=0,maximum=3000"`
}

// StepArgs are so many more or fewer.
type StepArgs struct {
	// How many.
	By int `json:"by" jsonschema:"required,minimum=1,maximum=100"`
	// Fewer rather than more.
	Down bool `json:"down,omitempty"`
}

// ByArgs choose fives or tens.
type ByArgs struct {
	// 5 or 10.
	By int `json:"by" jsonschema:"required,enum=5,enum=10"`
}

// LookArgs choose what counters look like.
type LookArgs struct {
	// The shape of the second part; that of the first when left out with a shape.
	Other string `json:"other,omitempty" jsonschema:"enum=counter,enum=bulb,enum=seed,enum=leaf,enum=snail,enum=bee,enum=pot"`
	// The shape; unchanged when left out.
	Shape string `json:"shape,omitempty" jsonschema:"enum=counter,enum=bulb,enum=seed,enum=leaf,enum=snail,enum=bee,enum=pot"`
	// The pair of colours; unchanged when left out.
	Colouring *int `json:"colouring,omitempty" jsonschema:"minimum=0,maximum=1"`
}

// UnitArgs name what the counters count.
type UnitArgs struct {
	// The unit in the plural, like thousands; empty for counters.
	Name string `json:"name" jsonschema:"maxLength=40"`
}

// StoryArgs hold a teacher's own sentence.
type StoryArgs struct {
	// A sentence with one or two numbers in braces: {3} snails sit on the leaf, {2} bees fly. Empty for none.
	Text string `json:"text" jsonschema:"maxLength=200"`
}

// SeedArgs hold a seed.
type SeedArgs struct {
	// The same seed gives the same places.
	Seed int `json:"seed,omitempty" jsonschema:"minimum=0"`
}

// build puts so many counters on the mat, in place of what is there; frames and
// groups stay.
func (c Counters) build(a NumberArgs, t *board.Tx) (Counters, error) {
	faces, err := c.readFaces(a.Amount)
	if err != nil {
		return c, err
	}
	n := faces[0] + faces[1]
	if err := t.CheckRoom(n - len(c.List)); err != nil {
		return c, err
	}
	if err := c.inRange(n); err != nil {
		return c, err
	}
	built := say.Text("form", say.Given, c.counted(n))
	if faces[1] > 0 {
		built = say.Sum("form", say.Given, faces[:])
	}
	t.Say("did.built", built)
	first := t.TakeIDs(n)
	c.List = append(many(faces[0], false, first), many(faces[1], true, first+board.PieceID(faces[0]))...)
	return c.fill(anyPiece), nil
}

// readFaces reads "9", "6 + 3" or "6 and 3"; of what the counters count, "6 thousands"
// is six.
func (c Counters) readFaces(amount string) (faces [2]int, err error) {
	parts := strings.Split(strings.ReplaceAll(amount, " and ", "+"), "+")
	if len(parts) > 2 {
		return faces, say.Refuse("two-colours")
	}
	for i, text := range parts {
		form, err := place.ParseAmount(c.withoutUnit(text))
		if err != nil {
			return faces, board.BadNumber(err)
		}
		total, err := form.Total()
		if err != nil {
			return faces, board.BadNumber(err)
		}
		if faces[i], err = c.inUnit(text, total); err != nil {
			return faces, err
		}
	}
	return faces, nil
}

// withoutUnit is a typed count without the word for what is counted: 6 bulbs is 6.
func (c Counters) withoutUnit(text string) string {
	count, unit, worded := strings.Cut(strings.TrimSpace(text), " ")
	own := c.Unit
	if own == "" {
		own = c.shapeNames()
	}
	if unit = strings.TrimSpace(unit); worded && (unit == own || say.ManyOf(unit) == own) && c.place() == place.Ones {
		return count
	}
	return text
}

// inUnit is how many counters show a typed total: a number says how many counters, an
// amount in words what they are worth together.
func (c Counters) inUnit(text string, total place.Number) (int, error) {
	n, whole := total.Whole()
	if !whole {
		return 0, say.Refuse("counters-whole", say.Number("n", say.Given, total))
	}
	if c.place() == place.Ones || !strings.ContainsFunc(text, unicode.IsLetter) {
		return n, nil
	}
	n = total.Count(c.place())
	if back, err := c.place().Value().Times(n); err != nil || back != total {
		return 0, say.Refuse("counters-unit", say.Number("n", say.Given, total), say.Text("unit", say.Name, c.Unit))
	}
	return n, nil
}

func (c Counters) inRange(n int) error {
	if _, err := c.place().Value().Times(n); err != nil {
		return board.BadNumber(err)
	}
	return nil
}

// counted is a number of the unit: "8 thousands", "1 counter".
func (c Counters) counted(n int) string {
	unit := c.Unit
	if unit == "" {
		unit = c.Shape
		if unit == "" {
			unit = Shapes[0]
		}
		unit = plurals[unit]
	}
	if n == 1 {
		unit = say.OneOf(unit)
	}
	return place.Int(n).String() + " " + unit
}

var plurals = map[string]string{"counter": "counters", "bulb": "bulbs", "seed": "seeds", "leaf": "leaves",
	"snail": "snails", "bee": "bees", "pot": "pots"}

func (c Counters) law(kind board.LawKind, n int) (board.Law, error) {
	v, err := c.place().Value().Times(n)
	return board.Law{Kind: kind, Value: v}, err
}

func (c Counters) putDown(a PlaceArgs, t *board.Tx) (Counters, error) {
	switch {
	case a.Count < 1 || a.Count > board.MaxPieces:
		return c, board.BadCount(a.Count, 1, board.MaxPieces)
	case a.Group < 0 || a.Group > c.Groups:
		return c, say.Refuse("no-group", say.Int("n", say.Given, a.Group), say.Int("groups", say.Given, c.Groups))
	}
	if err := t.CheckRoom(a.Count); err != nil {
		return c, err
	}
	if err := c.inRange(c.count() + a.Count); err != nil {
		return c, err
	}
	if a.Frame != 0 {
		if err := c.roomIn(a.Frame, a.Count); err != nil {
			return c, err
		}
	}
	added := many(a.Count, a.Mint, t.TakeIDs(a.Count))
	for i := range added {
		added[i].Group = int8(a.Group)
	}
	t.Say("did.placed", say.Text("pieces", say.Given, c.counted(a.Count)))
	c.List = append(slices.Clone(c.List), added...)
	if a.Frame != 0 {
		return c.fillFrame(a.Frame, 0, pieces.IDs(added)), nil
	}
	return c.fill(isOf(pieces.IDs(added))), nil
}

func isOf(ids []board.PieceID) func(pieces.Piece) bool {
	return func(k pieces.Piece) bool { return slices.Contains(ids, k.ID) }
}

// step puts so many more counters into the next cells, or takes the last away.
func (c Counters) step(a StepArgs, t *board.Tx) (Counters, error) {
	if a.By < 1 || a.By > 100 {
		return c, board.BadCount(a.By, 1, 100)
	}
	if !a.Down {
		next, err := c.putDown(PlaceArgs{Count: a.By}, t)
		t.Say("did.more", say.Int("one", say.Given, a.By))
		return next, err
	}
	last := c.last(a.By)
	if len(last) < a.By {
		return c, say.Refuse("none-to-take", say.Int("one", say.Given, a.By))
	}
	t.Say("did.less", say.Int("one", say.Given, a.By))
	return c.with(pieces.Without(c.List, last)), nil
}

// last are the last counters in play, at most n.
func (c Counters) last(n int) []board.PieceID {
	var last []board.PieceID
	for i := len(c.List) - 1; i >= 0 && len(last) < n; i-- {
		if c.List[i].State == pieces.Play {
			last = append(last, c.List[i].ID)
		}
	}
	return last
}

// flip turns counters over.
func (c Counters) flip(a pieces.PiecesArgs, t *board.Tx) (Counters, error) {
	found, err := kit.FindAll(c.List, a.Pieces)
	if err != nil {
		return c, err
	}
	t.Say("did.flipped", say.Text("form", say.Amount, c.counted(len(found))))
	return c.with(pieces.Change(c.List, pieces.IDs(found), func(k *pieces.Piece) { k.Mint = !k.Mint })), nil
}

// parts turns the first counters in play to one face and the rest to the other.
func (c Counters) parts(a FirstArgs, t *board.Tx) (Counters, error) {
	n := c.count()
	if a.First < 0 || a.First > n {
		return c, board.BadCountHere(a.First, 0, n)
	}
	i := 0
	c.List = pieces.Each(c.List, func(k *pieces.Piece) {
		if k.State == pieces.Play {
			k.Mint = i >= a.First
			i++
		}
	})
	t.Say("did.parts", say.Int("first", say.Part, a.First), say.Int("second", say.Part, n-a.First))
	return c, nil
}

// swap exchanges the places of the two parts; each keeps its colour.
func (c Counters) swap(_ board.NoArgs, t *board.Tx) (Counters, error) {
	berry, mint := c.faces()
	if berry == 0 || mint == 0 {
		return c, say.Refuse("one-colour")
	}
	first := slices.IndexFunc(c.List, func(k pieces.Piece) bool { return k.State == pieces.Play })
	lead := c.List[first].Mint
	c.List = slices.Clone(c.List)
	slices.SortStableFunc(c.List, func(x, y pieces.Piece) int {
		switch {
		case x.Mint == y.Mint:
			return 0
		case x.Mint == lead:
			return 1
		}
		return -1
	})
	t.Say("did.swapped")
	return c.refill(), nil
}

// lineUp brings loose counters into rows of five or ten.
func (c Counters) lineUp(a ByArgs, t *board.Tx) (Counters, error) {
	if a.By != 5 && a.By != 10 {
		return c, board.BadCount(a.By, 5, 10)
	}
	c.ByFives = a.By == 5
	c.List = pieces.Each(c.List, func(k *pieces.Piece) { k.Loose, k.X, k.Y = false, 0, 0 })
	t.Say("did.lined-up", say.Int("n", say.Given, a.By))
	return c, nil
}

// scatter lies the counters about untidily, on purpose.
func (c Counters) scatter(a SeedArgs, t *board.Tx) (Counters, error) {
	spots := scattered(len(c.List), uint64(a.Seed))
	i := 0
	c.List = pieces.Each(c.List, func(k *pieces.Piece) {
		if !lies(*k) {
			return
		}
		k.Loose, k.Frame, k.Cell, k.Group = true, 0, 0, 0
		k.X, k.Y = pieces.ClampX(spots[i][0]), pieces.ClampY(spots[i][1])
		i++
	})
	t.Say("did.scattered")
	return c, nil
}

// scattered are places that do not overlap: a loose grid, shuffled and nudged.
func scattered(n int, seed uint64) [][2]int {
	columns := 12
	for columns*columns*2/3 < n*2 {
		columns++
	}
	draw := chance.Source(seed)
	cells := make([]int, max(n*2, columns*8))
	for i := range cells {
		cells[i] = i
	}
	for i := len(cells) - 1; i > 0; i-- {
		j := draw(i + 1)
		cells[i], cells[j] = cells[j], cells[i]
	}
	spots := make([][2]int, n)
	for i := range spots {
		spots[i] = [2]int{cells[i]%columns*54 + draw(14), cells[i]/columns*54 + draw(14)}
	}
	return spots
}

func (c Counters) tidy(_ board.NoArgs, t *board.Tx) (Counters, error) {
	c.List = pieces.Tidy(c.List)
	t.Say("did.tidied")
	return c.fill(anyPiece), nil
}

func (c Counters) clear(_ board.NoArgs, t *board.Tx) (Counters, error) {
	t.Say("did.cleared")
	c.List = nil
	return c, nil
}

func (c Counters) changeLook(a LookArgs, t *board.Tx) (Counters, error) {
	if a.Shape != "" {
		if !slices.Contains(Shapes, a.Shape) {
			return c, board.BadOption("shape", a.Shape, strings.Join(Shapes, ", "))
		}
		c.Shape, c.Other = plain(a.Shape), ""
	}
	if a.Other != "" {
		if !slices.Contains(Shapes, a.Other) {
			return c, board.BadOption("other", a.Other, strings.Join(Shapes, ", "))
		}
		if c.Other = a.Other; plain(a.Other) == c.Shape {
			c.Other = ""
		}
	}
	if a.Colouring != nil {
		if *a.Colouring < 0 || *a.Colouring >= len(Colourings) {
			return c, board.BadCount(*a.Colouring, 0, len(Colourings)-1)
		}
		c.Colouring = *a.Colouring
	}
	t.Say("did.view", say.Text("view", say.Name, "as "+c.shapeNames()+", "+Colourings[c.Colouring]))
	return c, nil
}

// plain is a shape as it is kept: nothing for the counter.
func plain(shape string) string {
	if shape == Shapes[0] {
		return ""
	}
	return shape
}

// tellStory puts down what a sentence tells of: a number of the first part, and of the
// second, each in the shape of its thing where there is one. It is told again with what
// lies there then.
func (c Counters) tellStory(a StoryArgs, t *board.Tx) (Counters, error) {
	if strings.TrimSpace(a.Text) == "" {
		c.Story = ""
		t.Say("did.story-gone")
		return c, nil
	}
	story, faces, err := readStory(a)
	if err != nil {
		return c, err
	}
	if err := t.CheckRoom(faces[0] + faces[1] - len(c.List)); err != nil {
		return c, err
	}
	if err := c.inRange(faces[0] + faces[1]); err != nil {
		return c, err
	}
	c.Story, c.Shape, c.Other, c.Unit = strings.TrimSpace(a.Text), "", "", ""
	for i, thing := range story.Things() {
		shape := say.OneOf(thing)
		switch {
		case i > 1 || !slices.Contains(Shapes, shape):
		case i == 0:
			c.Shape = plain(shape)
		case plain(shape) != c.Shape:
			c.Other = shape
		}
	}
	first := t.TakeIDs(faces[0] + faces[1])
	c.List = append(many(faces[0], false, first), many(faces[1], true, first+board.PieceID(faces[0]))...)
	t.Say("did.story", say.Text("told", say.Given, story.Tell()))
	return c.fill(anyPiece), nil
}

func readStory(a StoryArgs) (story say.Story, faces [2]int, err error) {
	story, ok := say.ReadStory(a.Text)
	numbers := story.Numbers()
	if !ok || len(numbers) > 2 || len([]rune(a.Text)) > say.MostOfStory {
		return story, faces, say.Refuse("story")
	}
	for i, number := range numbers {
		n, err := strconv.Atoi(number)
		if err != nil {
			return story, faces, say.Refuse("story")
		}
		if n > board.MaxPieces {
			return story, faces, board.BadCount(n, 0, board.MaxPieces)
		}
		faces[i] = n
	}
	return story, faces, nil
}

func storyLaw(c Counters, a StoryArgs) (board.Law, error) {
	if strings.TrimSpace(a.Text) == "" {
		return board.Law{Kind: board.Keeps}, nil
	}
	_, faces, err := readStory(a)
	if err != nil {
		return board.Law{}, err
	}
	// A story counts single things.
	return board.Law{Kind: board.Sets, Value: place.Int(faces[0] + faces[1])}, nil
}

// told is the story with what lies there now.
func (c Counters) told() string {
	story, ok := say.ReadStory(c.Story)
	if !ok {
		return ""
	}
	berry, mint := c.faces()
	if len(story.Numbers()) == 1 {
		return story.Tell(strconv.Itoa(berry + mint))
	}
	return story.Tell(strconv.Itoa(berry), strconv.Itoa(mint))
}

func (c Counters) shapeNames() string {
	if c.Shape == "" {
		return plurals[Shapes[0]]
	}
	return plurals[c.Shape]
}

// unit renames what the counters count: 8 bulbs become 8 thousands.
func (c Counters) unit(a UnitArgs, t *board.Tx) (Counters, error) {
	name := strings.TrimSpace(a.Name)
	if len([]rune(name)) > 40 {
		return c, board.BadField("name", "a unit's name has at most 40 letters")
	}
	if p := unitPlace(name); p != place.Ones {
		name = p.Plural()
	}
	next := c
	next.Unit = name
	if err := next.inRange(c.count()); err != nil {
		return c, err
	}
	t.Say("did.renamed", say.Text("from", say.Amount, c.counted(c.count())),
		say.Text("to", say.Amount, next.counted(c.count())))
	return next, nil
}

func unitLaw(c Counters, a UnitArgs) (board.Law, error) {
	return board.Law{Kind: board.Renames, Power: int(unitPlace(strings.TrimSpace(a.Name)) - c.place())}, nil
}
