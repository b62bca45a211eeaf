package method

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/model/counters"
	"unitbloom/core/model/cubes"
	"unitbloom/core/model/pieces"
	"unitbloom/core/model/rack"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// way is one way of working a fact: it says why it does not fit, or makes its
// steps with beads or with counters in frames.
type way struct {
	name   string
	fits   func(a, b int) string // a message of the catalogue that says why not, empty when it fits
	rack   func(m *maker, a, b int)
	frames func(m *maker, a, b int)
	rows   bool // in frames of one row each, under one another
}

// ways makes one example a way: the one asked for, or all that fit.
func ways(r Request, all []way, a, b int, problem, result string) (Example, error) {
	var made []Example
	for _, w := range all {
		chosen := r.Options["way"]
		if chosen != "all" && chosen != w.name {
			continue
		}
		if why := w.fits(a, b); why != "" {
			if chosen == w.name {
				return Example{}, say.Refuse(why, given("a", a), given("b", b))
			}
			continue
		}
		m := w.steps(r, a, b)
		if len(made) == 0 {
			// What children saw stands with the first way.
			if err := m.seen(false, sightsOf(r, a, b)...); err != nil {
				return Example{}, err
			}
		}
		e, err := m.end(problem, result)
		if err != nil {
			return Example{}, err
		}
		e.Scene.Title = problem + ": " + w.name
		made = append(made, e)
	}
	if len(made) == 0 {
		return Example{}, say.Refuse("no-way")
	}
	made[0].More = made[1:]
	return made[0], nil
}

// steps are the way's steps on the model that is asked for.
func (w way) steps(r Request, a, b int) *maker {
	start, show := "rack 2: 0 0", w.rack
	if r.Model == "counters" {
		start, show = "counters 2x5 2x5: 0", w.frames
		if w.rows {
			start = "counters 1x10 1x10: 0"
		}
	}
	m := begin(r, start)
	show(m, a, b)
	return m
}

// acrossTen tells whether the way between two numbers crosses ten, for a problem
// like it.
func acrossTen(more, less int) string { return strconv.FormatBool(more > 10 && less < 10) }

// sightsOf are what can be seen of a fact: of a sum both rows; of a difference
// the whole, what goes, and what is left.
func sightsOf(r Request, a, b int) []sight {
	switch {
	case r.Model == "counters" && r.Method == subtractFactsID:
		all := frameSights(a)
		return append(append(all, frameSights(a-b)...), all[0].last(b), all[1].last(b))
	case r.Model == "counters":
		return frameSights(max(a, b), min(a, b))
	case r.Method == subtractFactsID:
		all := rackSights(min(a, 10), max(0, a-10))
		left := rackSights(min(a-b, 10), max(0, a-b-10))
		return append(append(all, left...), all[0].last(b), all[1].last(b))
	}
	return rackSights(a, b)
}

// addFacts are the ways to a sum up to 20: on a rack of two rows, one number a
// row, or on ten frames.
var addFacts = Spec{
	ID: "add-facts", Title: "Addition facts", Operation: "add",
	Doc:    "A sum to 20 by each way that fits: use fives, make ten, near doubles, count on, add ten and take back. The parts that are split are written as a bond; every sentence is true on its own.",
	Args:   "two numbers from 0 to 10",
	Sample: []string{"8", "+", "5"}, Typed: "8 + 5",
	Limits: "Numbers from 0 to 10.",
	Models: []string{"rack", "counters"},
	Options: []Option{
		{"way", "One way, or all that fit.", []string{"all", "use fives", "make ten", "near doubles", "count on", "add ten"}},
		seenOption,
	},
	make: makeAddFacts,
}

var addWays = []way{
	{"use fives", func(a, b int) string {
		if a < 5 || b < 5 {
			return "way.fives"
		}
		return ""
	}, useFives, useFives, false},
	{"make ten", func(a, b int) string {
		if a+b < 11 || a == 10 || b == 10 {
			return "way.ten"
		}
		return ""
	}, makeTenFact, fillTheFrame, false},
	{"near doubles", func(a, b int) string {
		if d := a - b; d > 2 || d < -2 || a+b == 0 {
			return "way.doubles"
		}
		return ""
	}, nearDoubles, nearDoubles, false},
	{"count on", func(a, b int) string {
		if min(a, b) > 3 || min(a, b) == 0 {
			return "way.countOn"
		}
		return ""
	}, countOn, countOnFrames, false},
	{"add ten", func(a, b int) string {
		if max(a, b) != 9 && max(a, b) != 8 || min(a, b) == 0 {
			return "way.addTen"
		}
		return ""
	}, addTen, addTenFrames, false},
}

func makeAddFacts(r Request) (Example, error) {
	a, err := arguments(r, [2]int{0, 10}, [2]int{0, 10})
	if err != nil {
		return Example{}, err
	}
	all := addWays
	see := way{"see it", func(int, int) string { return "" }, seeIt, seeFrames, false}
	if a[0] == 0 || a[1] == 0 || a[0] == 10 || a[1] == 10 {
		// With nothing to add, or a whole ten, what is seen is the way.
		all = append([]way{see}, addWays...)
		if r.Options["way"] == "all" {
			all = all[:1]
		}
	} else if r.Options["way"] == "all" && !anyFits(addWays, a[0], a[1]) {
		all = []way{see}
	}
	problem := sumText([2]int{a[0], a[1]})
	e, err := ways(r, all, a[0], a[1], problem, strconv.Itoa(a[0]+a[1]))
	e.like = acrossTen(a[0]+a[1], a[0])
	return e, err
}

func anyFits(all []way, a, b int) bool {
	for _, w := range all {
		if w.fits(a, b) == "" {
			return true
		}
	}
	return false
}

func sumText(p [2]int) string { return strconv.Itoa(p[0]) + " + " + strconv.Itoa(p[1]) }

func amountText(s string) pieces.AmountArgs { return pieces.AmountArgs{Amount: s} }

func buildArgs(n place.Number) pieces.AmountArgs { return pieces.AmountArgs{Amount: n.String()} }

// showBoth puts the two numbers on their rows, or each in its frame, and asks
// what is seen.
func (m *maker) showBoth(a, b int) {
	m.key(lesson.Step{
		Say: line(m.ofFrames("facts.show", "frames.two"), part("a", a), part("b", b)), Ask: line("facts.see"), Answer: line("facts.seen"),
		Moves: m.both(a, b),
	})
}

// both are the moves that put two numbers down, each on its own row or frame.
func (m *maker) both(a, b int) []board.Move {
	if m.r.Model == "counters" {
		return append(placedIn(1, a, false), placedIn(2, b, true)...)
	}
	return []board.Move{push(rack.Push{Row: 1, To: a}, rack.Push{Row: 2, To: b})}
}

// rings adds a ring round the slots of each group that has any, beside one
// another; the pieces are those that lie there after the moves.
func (m *maker) rings(moves []board.Move, groups ...[]int) []board.Move {
	shown, err := board.ApplyAll(m.now, moves)
	if err != nil || m.err != nil {
		return moves
	}
	beside := false
	for _, slots := range groups {
		if len(slots) > 0 {
			moves = append(moves, ringOf(shown.Models[0], slots, beside))
			beside = true
		}
	}
	return moves
}

// run is the slots from one up to another.
func run(from, to int) []int {
	var slots []int
	for k := from; k < to; k++ {
		slots = append(slots, k)
	}
	return slots
}

// close says the sum and checks it another way.
func (m *maker) close(a, b int) {
	m.step(lesson.Step{
		Say: line(m.ofFrames("facts.check", "frames.check")), Ask: line("facts.check.ask", part("b", b)), Answer: line("facts.check.answer", answer("sum", a+b), answer("a", a), part("b", b)),
		Write: []lesson.Write{m.sentence(sumText([2]int{a, b}), strconv.Itoa(a+b))},
	})
}

// ofFrames is a message for beads, or that for counters in frames.
func (m *maker) ofFrames(beads, frames string) string {
	if m.r.Model == "counters" {
		return frames
	}
	return beads
}

func seeIt(m *maker, a, b int) {
	m.showBoth(a, b)
	m.close(a, b)
}

func useFives(m *maker, a, b int) {
	m.showBoth(a, b)
	x, y := a-5, b-5
	m.key(lesson.Step{
		Say: line("fives.split", part("a", a), part("b", b)), Ask: line("fives.ask"), Answer: line("fives.answer", answer("x", x), answer("y", y)),
		Moves: m.rings(nil, run(0, 5), run(a, a+5)),
		Write: append(fiveBonds(a, b), m.sentence("5 + 5", "10")),
	})
	m.step(lesson.Step{
		Say: line("fives.rest"), Ask: line("fives.rest.ask"), Answer: line("fives.rest.answer", answer("rest", x+y), answer("sum", a+b)),
		Moves: m.rings(nil, run(0, 5), run(a, a+5), run(5, a), run(a+5, a+b)),
		Write: []lesson.Write{m.sentence("10 + "+strconv.Itoa(x+y), strconv.Itoa(a+b))},
	})
	m.close(a, b)
}

// fiveBonds part what is more than five.
func fiveBonds(ns ...int) []lesson.Write {
	var out []lesson.Write
	for _, n := range ns {
		if n > 5 {
			out = append(out, bond(n, 5, n-5))
		}
	}
	return out
}

func makeTenFact(m *maker, a, b int) {
	m.showBoth(a, b)
	// The larger number is filled up.
	big, small, top, below := a, b, 1, 2
	if b > a {
		big, small, top, below = b, a, 2, 1
	}
	more := 10 - big
	m.key(lesson.Step{
		Say: line("ten.start", part("big", big)), Ask: line("ten.ask", part("big", big)), Answer: line("ten.answer", answer("more", more), part("small", small), answer("left", small-more)),
		Write: []lesson.Write{bond(small, more, small-more)},
	})
	m.step(lesson.Step{
		Say: line("ten.move"), Ask: line("ten.move.ask"), Answer: line("ten.move.answer", answer("left", small-more), answer("sum", a+b)),
		Moves: []board.Move{push(rack.Push{Row: top, To: 10}, rack.Push{Row: below, To: small - more})},
		Write: []lesson.Write{m.sentence(sumText([2]int{big, more}), "10"), m.sentence("10 + "+strconv.Itoa(small-more), strconv.Itoa(a+b))},
	})
	m.close(a, b)
}

func nearDoubles(m *maker, a, b int) {
	m.showBoth(a, b)
	small, extra := min(a, b), max(a, b)-min(a, b)
	more := run(a+small, a+b) // what the longer row has more
	if a > b {
		more = run(small, a)
	}
	m.key(lesson.Step{
		Say: line("doubles.start", part("a", a), part("b", b)), Ask: line("doubles.ask", part("small", small)), Answer: line("doubles.answer", part("small", small), answer("double", 2*small)),
		Write: []lesson.Write{m.sentence(sumText([2]int{small, small}), strconv.Itoa(2*small))},
	})
	if extra > 0 {
		m.step(lesson.Step{
			Say: line(m.ofFrames("doubles.extra", "frames.extra")), Ask: line("doubles.extra.ask"), Answer: line("doubles.extra.answer", answer("extra", extra), answer("sum", a+b)),
			Moves: m.rings(nil, more),
			Write: []lesson.Write{m.sentence(sumText([2]int{2 * small, extra}), strconv.Itoa(a+b))},
		})
	}
	m.close(a, b)
}

func countOn(m *maker, a, b int) {
	big, small, top, below := a, b, 1, 2
	if b > a {
		big, small, top, below = b, a, 2, 1
	}
	m.key(lesson.Step{
		Say: line("countOn.start", part("big", big), part("small", small)), Ask: line("countOn.ask"), Answer: line("countOn.answer", answer("big", big)),
		Moves: []board.Move{push(rack.Push{Row: top, To: big})},
	})
	for i := 1; i <= small; i++ {
		m.step(lesson.Step{
			Say: line("countOn.one"), Ask: line("count.ask"), Answer: line("countOn.next", answer("n", big+i)),
			Moves: []board.Move{push(rack.Push{Row: below, To: i})},
		})
	}
	m.close(a, b)
}

func addTen(m *maker, a, b int) {
	m.showBoth(a, b)
	big, small, top := a, b, 1
	if b > a {
		big, small, top = b, a, 2
	}
	m.tenInstead(big, small, []board.Move{push(rack.Push{Row: top, To: 10})})
	m.tooMany(a, b, 10-big, []board.Move{push(rack.Push{Row: top, To: big})})
}

// tenInstead takes a whole ten for a number that is almost ten.
func (m *maker) tenInstead(big, small int, moves []board.Move) {
	m.key(lesson.Step{
		Say: line("addTen.start", part("big", big)), Ask: line("addTen.ask", part("small", small)), Answer: line("addTen.answer", answer("more", 10+small)),
		Moves: moves,
		Write: []lesson.Write{m.sentence(sumText([2]int{10, small}), strconv.Itoa(10+small))},
	})
}

// tooMany takes back what ten was too many, which gives the sum.
func (m *maker) tooMany(a, b, back int, moves []board.Move) {
	m.step(lesson.Step{
		Say: line(m.ofFrames("addTen.back", "frames.back"), part("back", back)), Ask: line("addTen.back.ask"), Answer: line("addTen.back.answer", answer("sum", a+b)),
		Moves: moves,
		Write: []lesson.Write{m.sentence(minusText(a+b+back, back), strconv.Itoa(a+b))},
	})
	m.close(a, b)
}

const subtractFactsID = "subtract-facts"

// subtractFacts are the ways to a difference up to 20.
var subtractFacts = Spec{
	ID: subtractFactsID, Title: "Subtraction facts", Operation: "subtract",
	Doc:    "A difference from numbers to 20 by each way that fits: take away, back through ten, think addition, difference.",
	Args:   "a number from 0 to 20, and one to take away",
	Sample: []string{"14", "-", "6"}, Typed: "14 − 6",
	Limits: "Numbers from 0 to 20, no more taken away than there are.",
	Models: []string{"rack", "counters"},
	Options: []Option{
		{"way", "One way, or all that fit.", []string{"all", "take away", "back through ten", "think addition", "difference"}},
		seenOption,
	},
	make: makeSubtractFacts,
}

var subtractWays = []way{
	{"take away", func(int, int) string { return "" }, takeAway, takeFromFrames, false},
	{"back through ten", func(a, b int) string {
		if a <= 10 || a == 20 || b <= a-10 {
			return "way.back"
		}
		return ""
	}, backThroughTen, emptyToTheFrame, false},
	{"think addition", func(int, int) string { return "" }, thinkAddition, fillUpFrames, false},
	{"difference", func(a, b int) string {
		if a > 10 || b == 0 {
			return "way.difference"
		}
		return ""
	}, asDifference, asDifference, true},
}

func makeSubtractFacts(r Request) (Example, error) {
	a, err := arguments(r, [2]int{0, 20}, [2]int{0, 20})
	if err != nil {
		return Example{}, err
	}
	if a[1] > a[0] {
		return Example{}, say.Refuse("subtract-more", given("a", a[0]), given("b", a[1]))
	}
	e, err := ways(r, subtractWays, a[0], a[1], minusText(a[0], a[1]), strconv.Itoa(a[0]-a[1]))
	e.like = acrossTen(a[0], a[0]-a[1])
	return e, err
}

func minusText(a, b int) string { return strconv.Itoa(a) + " − " + strconv.Itoa(b) }

// rowsOf pushes a number on two rows, the first filled first.
func rowsOf(n int) board.Move {
	return push(rack.Push{Row: 1, To: min(n, 10)}, rack.Push{Row: 2, To: max(0, n-10)})
}

func (m *maker) showWhole(a int) {
	m.step(lesson.Step{
		Say: line("minus.show", part("a", a)), Ask: line("facts.see"), Answer: line("facts.seen"), Moves: []board.Move{rowsOf(a)},
	})
}

// closeMinus checks a difference by adding back.
func (m *maker) closeMinus(a, b int) {
	m.step(lesson.Step{
		Say: line("minus.check"), Ask: line("minus.check.ask", part("b", b)), Answer: line("minus.check.answer", answer("d", a-b), part("b", b), answer("a", a)),
		Write: []lesson.Write{m.sentence(minusText(a, b), strconv.Itoa(a-b)), m.sentence(sumText([2]int{a - b, b}), strconv.Itoa(a))},
	})
}

func takeAway(m *maker, a, b int) {
	m.showWhole(a)
	m.key(lesson.Step{
		Say: line("minus.take", part("b", b)), Ask: line("minus.left"), Answer: line("minus.left.answer", answer("d", a-b)),
		Moves: []board.Move{rowsOf(a - b)},
	})
	m.closeMinus(a, b)
}

func backThroughTen(m *maker, a, b int) {
	m.showWhole(a)
	first := a - 10
	m.key(lesson.Step{
		Say: line("back.start", part("a", a)), Ask: line("back.ask", part("b", b)), Answer: line("back.answer", part("b", b), answer("first", first), answer("rest", b-first)),
		Moves: []board.Move{rowsOf(10)},
		Write: []lesson.Write{bond(b, first, b-first), m.sentence(minusText(a, first), "10")},
	})
	m.step(lesson.Step{
		Say: line("back.rest"), Ask: line("minus.left"), Answer: line("minus.left.answer", answer("d", a-b)),
		Moves: []board.Move{rowsOf(a - b)},
		Write: []lesson.Write{m.sentence(minusText(10, b-first), strconv.Itoa(a-b))},
	})
	m.closeMinus(a, b)
}

func thinkAddition(m *maker, a, b int) {
	m.step(lesson.Step{
		Say: line("think.start", part("a", a), part("b", b)), Ask: line("think.ask", part("b", b), part("a", a)), Answer: line("think.answer", answer("d", a-b)),
		Moves: []board.Move{rowsOf(b)},
		Write: []lesson.Write{{Kind: "text", Text: strconv.Itoa(b) + " + □ = " + strconv.Itoa(a)}},
	})
	m.key(lesson.Step{
		Say: line("think.up"), Ask: line("think.up.ask"), Answer: line("think.up.answer", answer("d", a-b)),
		Moves: []board.Move{rowsOf(a)}, Write: []lesson.Write{bond(a, b, a-b)},
	})
	m.closeMinus(a, b)
}

func asDifference(m *maker, a, b int) {
	m.key(lesson.Step{
		Say: line("difference.rows", part("a", a), part("b", b)), Ask: line("difference.ask"), Answer: line("difference.answer", answer("d", a-b)),
		Moves: m.rings(m.both(a, b), run(b, a)),
	})
	m.closeMinus(a, b)
}

// bonds shows all pairs of a whole, in order.
var bonds = Spec{
	ID: "bonds", Title: "All pairs of a number", Operation: "add",
	Doc:    "Every way to part a whole to 20 in two, in order, on counters of two colours, in a table and as sentences; then what is noticed.",
	Args:   "a whole",
	Sample: []string{"6"}, Typed: "6",
	Limits: "1 to 20.",
	Models: []string{"counters"},
	Options: []Option{
		{"zero", "Whether a part may be 0.", []string{"allowed", "not allowed"}},
		{Name: "story", Doc: "What the counters stand for, like bulbs: each pair is then told of two beds."},
		seenOption,
	},
	make: makeBonds,
}

func makeBonds(r Request) (Example, error) {
	a, err := arguments(r, [2]int{1, 20})
	if err != nil {
		return Example{}, err
	}
	n := a[0]
	least := 0
	if r.Options["zero"] == "not allowed" {
		least = 1
	}
	if n < 2*least {
		return Example{}, say.Refuse("bonds-two")
	}
	frame := "1x" + strconv.Itoa(n)
	if n > 12 {
		frame = "2x" + strconv.Itoa((n+1)/2)
	}
	m := begin(r, "counters "+frame+": 0")
	pairs := n - 2*least + 1
	opening := lesson.Step{
		Say: line("bonds.start", given("n", n)), Ask: line("bonds.predict"), Answer: line("bonds.predict.answer", answer("pairs", pairs)),
		Moves: []board.Move{{Kind: "build", Args: counters.NumberArgs{Amount: strconv.Itoa(n)}}},
	}
	ask, said := "bonds.ask", "bonds.answer"
	story := strings.TrimSpace(r.Options["story"])
	if story != "" {
		if _, err := place.ParsePlace(story); err == nil || len([]rune(story)) > 40 {
			return Example{}, say.Refuse("story-thing", text("story", story))
		}
		ask, said = "bonds.story.ask", "bonds.story.answer"
		opening.Say = line("bonds.story", given("n", n), text("story", story))
		opening.Moves = append(opening.Moves, board.Move{Kind: "unit", Args: counters.UnitArgs{Name: story}})
		if shape := strings.TrimSuffix(story, "s"); slices.Contains(counters.Shapes, shape) {
			opening.Moves = append(opening.Moves, board.Move{Kind: "look", Args: counters.LookArgs{Shape: shape}})
		}
	}
	m.step(opening)
	for first := n - least; first >= least; first-- {
		m.step(lesson.Step{
			Say: line("bonds.turn"), Ask: line(ask, text("story", story)), Answer: line(said, answer("first", first), answer("second", n-first), text("story", story)),
			Moves: []board.Move{{Kind: "parts", Args: counters.FirstArgs{First: first}}},
			Write: []lesson.Write{row(strconv.Itoa(first), strconv.Itoa(n-first), m.sentence(sumText([2]int{first, n - first}), strconv.Itoa(n)).Text)},
		})
	}
	if err := m.seen(false, bondSights(n)...); err != nil {
		return Example{}, err
	}
	m.key(lesson.Step{Say: line("bonds.all"), Ask: line("bonds.notice"), Answer: line("bonds.notice.answer")})
	return m.end(strconv.Itoa(n), strconv.Itoa(pairs))
}

// snap breaks a train of cubes in two, and reads its family of sentences.
var snap = Spec{
	ID: "snap", Title: "Snap a train", Operation: "add",
	Doc:    "A train of cubes is snapped at a chosen place or by chance; count on from the first part; the bond and the sentences of the family.",
	Args:   "a whole, and where it breaks if you like",
	Sample: []string{"9", "5"}, Typed: "9, 5",
	Limits: "A whole of 2 to 20.",
	Models: []string{"cubes"},
	make:   makeSnap,
	read:   count.read,
}

func makeSnap(r Request) (Example, error) {
	limits := [][2]int{{2, 20}}
	if len(r.Args) > 1 {
		limits = append(limits, [2]int{1, 19})
	}
	a, err := arguments(r, limits...)
	if err != nil {
		return Example{}, err
	}
	n, at := a[0], 0
	if len(a) > 1 {
		if at = a[1]; at >= n {
			return Example{}, say.Refuse("snap-inside", given("n", n), given("at", at))
		}
	} else {
		at = 1 + (n*7+3)%(n-1)
	}
	rest := n - at
	m := begin(r, "cubes 0")
	m.step(lesson.Step{
		Say: line("snap.start", given("n", n)), Ask: line("snap.predict"), Answer: line("snap.predict.answer"),
		Moves: []board.Move{{Kind: "build", Args: cubes.NumberArgs{Amount: strconv.Itoa(n)}}},
	})
	m.key(lesson.Step{
		Say: line("snap.break"), Ask: line("snap.ask"), Answer: line("snap.answer", answer("at", at), answer("rest", rest)),
		Moves: []board.Move{{Kind: "snap", Args: cubes.SnapArgs{Train: 1, After: at}}, {Kind: "colourTrains"}},
		Write: []lesson.Write{bond(n, at, rest)},
	})
	m.step(lesson.Step{
		Say: line("snap.count", part("at", at)), Ask: line("snap.count.ask"), Answer: line("snap.count.answer", answer("n", n)),
	})
	family := []lesson.Write{m.sentence(sumText([2]int{at, rest}), strconv.Itoa(n))}
	if at != rest {
		family = append(family, m.sentence(sumText([2]int{rest, at}), strconv.Itoa(n)))
	}
	family = append(family, m.sentence(minusText(n, at), strconv.Itoa(rest)))
	if at != rest {
		family = append(family, m.sentence(minusText(n, rest), strconv.Itoa(at)))
	}
	m.key(lesson.Step{
		Say: line("snap.family"), Ask: line("snap.family.ask"), Answer: line("snap.family.answer", answer("count", len(family))), Write: family,
	})
	return m.end(strconv.Itoa(n)+" snapped after "+strconv.Itoa(at), sumText([2]int{at, rest}))
}

// turn shows that a sum and a product are the same either way round.
var turn = Spec{
	ID: "turn", Title: "Either way round", Operation: "add",
	Doc:    "a + b and b + a, or a × b and b × a: the same total either way round, before and after side by side.",
	Args:   "a sum or a product",
	Sample: []string{"6", "+", "3"}, Typed: "6 + 3",
	Limits: "Addends to 20 altogether 40; factors 1 to 12.",
	Models: []string{"counters"},
	make:   makeTurn,
}

func makeTurn(r Request) (Example, error) {
	times := len(r.Args) == 3 && mirrored(r.Args[1]) == "×"
	limit := [2]int{1, 20}
	if times {
		limit = [2]int{1, 12}
	}
	a, err := arguments(r, limit, limit)
	if err != nil {
		return Example{}, err
	}
	x, y := a[0], a[1]
	left, right, total := sumText([2]int{x, y}), sumText([2]int{y, x}), x+y
	build := board.Move{Kind: "build", Args: counters.NumberArgs{Amount: left}}
	change := board.Move{Kind: "swap"}
	notation := "counters 0"
	if times {
		left, right, total = strconv.Itoa(x)+" × "+strconv.Itoa(y), strconv.Itoa(y)+" × "+strconv.Itoa(x), x*y
		build = board.Move{Kind: "array", Args: counters.FramesArgs{Rows: x, Columns: y}}
		change = board.Move{Kind: "turn", Args: counters.FrameArgs{Frame: 1}}
	}
	m := begin(r, notation)
	m.step(lesson.Step{
		Say: line("turn.start", text("left", left)), Ask: line("turn.many"), Answer: line("turn.many.answer", answer("total", total)),
		Moves: []board.Move{build}, Write: []lesson.Write{m.sentence(left, strconv.Itoa(total))},
	})
	m.key(lesson.Step{
		Say: line("turn.turn"), Ask: line("turn.predict"), Answer: line("turn.answer", answer("total", total)),
		Moves: []board.Move{{Kind: "keep"}, change}, Write: []lesson.Write{m.sentence(right, strconv.Itoa(total)), {Kind: "sentence", Text: left + " = " + right}},
	})
	m.step(lesson.Step{Say: line("turn.check"), Ask: line("turn.check.ask"), Answer: line("turn.check.answer")})
	return m.end(left, strconv.Itoa(total))
}
