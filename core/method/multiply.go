package method

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/model/counters"
	"unitbloom/core/model/discs"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// array sets equal groups as rows, counts in steps, turns them, and splits a
// product into a known one and the rest.
var array = Spec{
	ID: "array", Title: "Rows and columns", Operation: "multiply",
	Doc:    "Equal groups as an array: skip-counting along the edge, its sentence, the area of its squares, turned, and split into a known fact and the rest.",
	Args:   "two factors",
	Sample: []string{"7", "x", "6"}, Typed: "7 × 6",
	Limits: "1 × 1 to 12 × 12.",
	Models: []string{"counters"},
	Options: []Option{
		{"reading", "How 3 × 5 is read.", []string{"3 groups of 5", "5 three times"}},
		seenOption,
	},
	make: makeArray,
}

func makeArray(r Request) (Example, error) {
	f, err := arguments(r, [2]int{1, 12}, [2]int{1, 12})
	if err != nil {
		return Example{}, err
	}
	a, b := f[0], f[1]
	product := strconv.Itoa(a) + " × " + strconv.Itoa(b)
	reading := "array.groups"
	if r.Options["reading"] == "5 three times" {
		reading = "array.times"
	}
	m := begin(r, "counters 0")
	m.key(lesson.Step{
		Say: line("array.start", given("a", a), given("b", b)), Ask: line("array.predict", given("a", a), given("b", b)), Answer: line(reading, given("a", a), given("b", b)),
		Moves: []board.Move{{Kind: "array", Args: counters.FramesArgs{Rows: a, Columns: b}}},
	})
	var steps []string
	for i := 1; i <= a; i++ {
		steps = append(steps, strconv.Itoa(i*b))
	}
	m.step(lesson.Step{
		Say: line("array.skip", given("b", b)), Ask: line("array.skip.ask"), Answer: line("array.skip.answer", answerText("steps", strings.Join(steps, ", "))),
		Moves: []board.Move{{Kind: "skip", Args: counters.ShownArgs{Shown: true}}},
		Write: append(rowsOfSix(steps), m.sentence(product, strconv.Itoa(a*b))),
	})
	m.step(lesson.Step{
		Say: line("array.area"), Ask: line("array.area.ask", given("a", a), given("b", b)), Answer: line("array.area.answer", answer("all", a*b), given("a", a), given("b", b)),
		Look:  line("look.squares"),
		Moves: []board.Move{{Kind: "skip", Args: counters.ShownArgs{}}, {Kind: "numerals", Args: counters.ShownArgs{Shown: true}}},
		Write: []lesson.Write{{Kind: "text", Text: "area: " + strconv.Itoa(a*b) + " squares"}},
	})
	if known := knownFactor(a); known > 0 {
		m.key(lesson.Step{
			Say: line("array.split", given("a", a), given("known", known)), Ask: line("array.split.ask", given("known", known), given("b", b)),
			Answer: line("array.split.answer", answer("first", known*b), answer("second", (a-known)*b), answer("all", a*b)),
			Moves:  []board.Move{{Kind: "numerals", Args: counters.ShownArgs{}}, {Kind: "split", Args: counters.SplitArgs{After: known}}},
			Write:  []lesson.Write{{Kind: "sentence", Text: product + " = " + strconv.Itoa(known) + " × " + strconv.Itoa(b) + " + " + strconv.Itoa(a-known) + " × " + strconv.Itoa(b)}},
		})
	}
	m.step(lesson.Step{
		Say: line("array.turn"), Ask: line("array.turn.ask"), Answer: line("array.turn.answer", answer("b", b), answer("a", a), answer("all", a*b)),
		Moves: []board.Move{{Kind: "numerals", Args: counters.ShownArgs{}}, {Kind: "turn", Args: counters.FrameArgs{Frame: 1}}},
		Write: []lesson.Write{m.sentence(strconv.Itoa(b)+" × "+strconv.Itoa(a), strconv.Itoa(a*b))},
	})
	if err := m.seen(true, arraySight(a, b)); err != nil {
		return Example{}, err
	}
	return m.end(product, strconv.Itoa(a*b))
}

// rowsOfSix are cells in table rows that are not too long to be read.
func rowsOfSix(cells []string) []lesson.Write {
	var rows []lesson.Write
	for some := range slices.Chunk(cells, 6) {
		rows = append(rows, row(some...))
	}
	return rows
}

// knownFactor is the row after which an array is split into a fact that most
// children know: ten times, five times, or double.
func knownFactor(a int) int {
	for _, known := range []int{10, 5, 2} {
		if a > known {
			return known
		}
	}
	return 0
}

// group makes groups of a given size until none is left.
var group = Spec{
	ID: "group", Title: "How many groups?", Operation: "divide",
	Doc:    "How many groups of a size are in a number: made group by group, with what is left over.",
	Args:   "a number and a size",
	Sample: []string{"14", "4"}, Typed: "14 ÷ 4",
	Limits: "To 144, groups of 1 to 12, at most 12 groups.",
	Models: []string{"counters"},
	make:   makeGroup,
}

func makeGroup(r Request) (Example, error) {
	a, err := arguments(r, [2]int{0, 144}, [2]int{1, 12})
	if err != nil {
		return Example{}, err
	}
	n, size := a[0], a[1]
	if n/size > 12 {
		return Example{}, say.Refuse("too-many-groups", given("n", n/size), given("most", 12))
	}
	m := begin(r, "counters 0")
	problem := strconv.Itoa(n) + " ÷ " + strconv.Itoa(size)
	m.key(lesson.Step{
		Say: line("group.start", given("n", n), given("size", size)), Ask: line("group.steps", given("size", size), given("n", n)), Answer: inSteps(n, size),
		Moves: []board.Move{{Kind: "build", Args: counters.NumberArgs{Amount: strconv.Itoa(n)}}},
	})
	for g := 1; g <= n/size; g++ {
		moves := []board.Move{{Kind: "groups", Args: counters.GroupsArgs{Count: g}}}
		// The first of those that lie beside go into the new group.
		slots := make([]int, size)
		for i := range slots {
			slots[i] = (g-1)*size + i
		}
		moves = append(moves, board.Move{Kind: "put", Args: counters.PutArgs{Pieces: []board.Select{{Slots: slots}}, Group: g}})
		m.step(lesson.Step{
			Say: line("group.one", given("size", size)), Ask: line("group.one.ask"), Answer: line("group.one.answer", answer("g", g), answer("left", n-g*size)),
			Moves: moves, Write: []lesson.Write{row(strconv.Itoa(g), strconv.Itoa(g*size))},
		})
	}
	return m.endDivision(problem, n, size)
}

// inSteps foretells whether steps of a size meet a number.
func inSteps(n, size int) say.Line {
	if n < size {
		return line("group.steps.few", given("size", size), given("n", n))
	}
	var steps []string
	for s := size; s < n+size; s += size {
		steps = append(steps, strconv.Itoa(s))
	}
	id := "group.steps.yes"
	if n%size > 0 {
		id = "group.steps.no"
	}
	return line(id, answerText("steps", strings.Join(steps, ", ")))
}

// endDivision checks a division by multiplying, and gives its answer.
func (m *maker) endDivision(problem string, n, by int) (Example, error) {
	quotient, rest := n/by, n%by
	result := strconv.Itoa(quotient)
	check := strconv.Itoa(quotient) + " × " + strconv.Itoa(by)
	id := "divide.check.answer"
	if rest > 0 {
		result += " remainder " + strconv.Itoa(rest)
		check += " + " + strconv.Itoa(rest)
		id = "divide.check.rest"
	}
	m.key(lesson.Step{
		Say: line("divide.check"), Ask: line("divide.check.ask"), Answer: line(id, answer("quotient", quotient), given("by", by), answer("rest", rest), answer("n", n)),
		Write: []lesson.Write{m.sentence(problem, result), {Kind: "sentence", Text: check + " = " + strconv.Itoa(n)}},
	})
	return m.end(problem, result)
}

// share deals a number out evenly: with counters one by one, with discs place by
// place, exchanging what is left over.
var share = Spec{
	ID: "share", Title: "Share out", Operation: "divide",
	Doc:    "A number shared into equal groups: a known fact first where there is one; with discs place by place, what is left of a place opened into the next, written as short division as it goes; remainders left over or as decimals; checked by multiplying.",
	Args:   "a number and how many groups",
	Sample: []string{"97", "4"}, Typed: "97 ÷ 4",
	Limits: "Discs: up to 7 digits by 2 to 9; counters: to 60 by 1 to 12.",
	Models: []string{"discs", "counters"},
	Options: []Option{
		{"remainder", "What is left stays over, or is opened into tenths and on.", []string{"left over", "decimals"}},
	},
	make: makeShare,
}

func makeShare(r Request) (Example, error) {
	limits := [][2]int{{0, 9_999_999}, {2, 9}}
	if r.Model == "counters" {
		if r.Options["remainder"] == "decimals" {
			return Example{}, say.Refuse("share-decimals")
		}
		limits = [][2]int{{0, 60}, {1, 12}}
	}
	a, err := arguments(r, limits...)
	if err != nil {
		return Example{}, err
	}
	if r.Model == "counters" {
		return shareCounters(r, a[0], a[1])
	}
	return shareDiscs(r, a[0], a[1])
}

func shareCounters(r Request, n, by int) (Example, error) {
	m := begin(r, "counters 0")
	m.key(lesson.Step{
		Say: line("share.start", given("n", n), given("by", by)), Ask: line("share.predict"), Answer: line("share.predict.answer"),
		Moves: []board.Move{{Kind: "build", Args: counters.NumberArgs{Amount: strconv.Itoa(n)}}, {Kind: "groups", Args: counters.GroupsArgs{Count: by}}},
	})
	for round := 1; round <= n/by; round++ {
		m.step(lesson.Step{
			Say: line("share.deal"), Ask: line("share.deal.ask"), Answer: line("share.deal.answer", answer("each", round), answer("left", n-round*by)),
			Moves: []board.Move{{Kind: "share", Args: counters.ShareArgs{Rounds: 1}}},
			Write: []lesson.Write{row(strconv.Itoa(round), strconv.Itoa(n-round*by))},
		})
	}
	return m.endDivision(strconv.Itoa(n)+" ÷ "+strconv.Itoa(by), n, by)
}

// sharing is a division by places while its example is made.
type sharing struct {
	*maker
	n, by int
	quot  place.Number
}

func shareDiscs(r Request, n, by int) (Example, error) {
	s := sharing{maker: begin(r, "discs 0"), n: n, by: by}
	problem := strconv.Itoa(n) + " ÷ " + strconv.Itoa(by)
	number := place.Int(n)
	s.known(number)
	low := place.Ones
	if r.Options["remainder"] == "decimals" {
		low = place.Thousandths
	}
	frame := []lesson.Write{{Kind: "cell", Row: "dividend", Text: strconv.Itoa(by)}}
	for p := number.Top(); p >= place.Ones; p-- {
		frame = append(frame, digitCell("dividend", p, number.Digit(p), board.Select{Place: p, State: "any"}))
	}
	s.key(lesson.Step{
		Say: line("share.start", given("n", n), given("by", by)), Ask: line("share.place.predict", say.PlaceName("place", number.Top())), Answer: s.predictPlace(number),
		Moves: []board.Move{{Kind: "build", Args: pieces.AmountArgs{Amount: number.String()}}, {Kind: "groups", Args: discs.CountArgs{Count: by}}},
		Write: frame,
	})
	left := 0
	for p := number.Top(); p >= low; p-- {
		if p < place.Ones && left == 0 {
			break
		}
		left = s.sharePlace(p, left*10+number.Digit(p), left)
	}
	if r.Options["remainder"] == "decimals" {
		return s.endDecimals(problem, left)
	}
	return s.endDivision(problem, n, by)
}

// known is a fact that the first digits rest on: 15 tens like 15 ones.
func (s *sharing) known(n place.Number) {
	top := n.Top()
	if top == place.Ones {
		return
	}
	count := n.Count(top)
	if count%s.by != 0 {
		count = n.Count(top - 1)
		top--
	}
	if top <= place.Ones || count == 0 || count%s.by != 0 || count > 99 {
		return
	}
	s.step(lesson.Step{
		Say: line("share.known", given("count", count), given("by", s.by)), Ask: line("share.known.ask", say.Pieces("pieces", say.Given, count, top), given("by", s.by)),
		Answer: line("share.known.answer", answer("each", count/s.by), say.Pieces("eachPieces", say.Answer, count/s.by, top)),
		Write:  []lesson.Write{{Kind: "sentence", Text: strconv.Itoa(count) + " ÷ " + strconv.Itoa(s.by) + " = " + strconv.Itoa(count/s.by)}},
	})
}

func (s *sharing) predictPlace(n place.Number) say.Line {
	id := "share.place.yes"
	if n.Digit(n.Top()) < s.by {
		id = "share.place.no"
	}
	return line(id, say.Pieces("pieces", say.Given, n.Digit(n.Top()), n.Top()), given("by", s.by))
}

// sharePlace opens what was left of the place before, deals what there is, and
// gives what is left now.
func (s *sharing) sharePlace(p place.Place, has, opened int) int {
	if opened > 0 {
		s.key(lesson.Step{
			Say: line("share.open", say.Pieces("left", say.Part, opened, p+1)), Ask: line("share.open.ask", say.PlaceName("place", p)),
			Answer: line("share.open.answer", say.Pieces("has", say.Answer, has, p)),
			Moves:  s.openLeft(p+1, opened),
			Write:  s.carried(p, opened),
		})
	}
	each, left := has/s.by, has%s.by
	v, _ := p.Value().Times(each)
	s.quot, _ = s.quot.Add(v)
	step := lesson.Step{
		Say: line("share.place", say.Pieces("has", say.Part, has, p), given("by", s.by)), Ask: line("share.place.ask", say.PlaceName("place", p)),
		Answer: line("share.place.answer", say.Pieces("each", say.Answer, each, p), say.Pieces("left", say.Answer, left, p)),
		Look:   line("look.place", say.PlaceName("place", p)),
	}
	if s.quot.Top() >= p || p == place.Ones {
		step.Write = []lesson.Write{digitCell("quotient", p, each, board.Select{Place: p})}
	}
	if each > 0 {
		step.Moves = []board.Move{{Kind: "share", Args: pieces.PlaceArgs{Place: p}}}
	}
	s.step(step)
	return left
}

// carried writes what was left of the place before, small before the digit that
// it now stands with. A number that goes on after the point has zeros there.
func (s *sharing) carried(p place.Place, left int) []lesson.Write {
	mark := digitCell("mark", p, left, board.Select{Place: p})
	if p < place.Ones {
		return []lesson.Write{digitCell("dividend", p, 0, board.Select{}), mark}
	}
	return []lesson.Write{mark}
}

// openLeft opens the discs that no track took: those of a place that lie last in
// no group.
func (s *sharing) openLeft(p place.Place, count int) []board.Move {
	if s.err != nil {
		return nil
	}
	d := s.now.Models[0].(discs.Discs)
	var slots []int
	slot := 0
	for _, k := range d.List {
		if k.Place != p || k.State != pieces.Play {
			continue
		}
		if k.Group == 0 && len(slots) < count {
			slots = append(slots, slot)
		}
		slot++
	}
	return []board.Move{{Kind: "unbundle", Args: pieces.UnbundleArgs{Place: p, Pieces: []board.Select{{Place: p, Slots: slots}}}}}
}

// endDecimals closes a division that went on into tenths and further.
func (s *sharing) endDecimals(problem string, left int) (Example, error) {
	if left > 0 {
		return Example{}, say.Refuse("share-ends", text("problem", problem))
	}
	s.key(lesson.Step{
		Say: line("divide.check"), Ask: line("divide.check.ask"), Answer: line("divide.check.decimal", say.Number("quotient", say.Answer, s.quot), given("by", s.by), answer("n", s.n)),
		Write: []lesson.Write{s.sentence(problem, s.quot.String()), {Kind: "sentence", Text: s.quot.String() + " × " + strconv.Itoa(s.by) + " = " + strconv.Itoa(s.n)}},
	})
	return s.end(problem, s.quot.String())
}
