package method

import (
	"fmt"
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// pattern does several related problems and asks what stayed and what changed.
var pattern = Spec{
	ID: "pattern", Title: "A row of problems", Operation: "subtract",
	Doc:    "Several related problems, each done on the model and kept; then which digit stayed, which changed, and why.",
	Args:   "two to ten problems of + or −",
	Sample: []string{"14 - 10", "23 - 10", "35 - 10"}, Typed: "14 − 10, 23 − 10, 35 − 10",
	Limits: "Whole numbers to 9,999.",
	Models: []string{"blocks"},
	make:   makePattern,
	read:   commaParted,
	redraw: redrawPattern,
	grow:   growPattern,
}

func makePattern(r Request) (Example, error) {
	if len(r.Args) < 2 || len(r.Args) > 10 {
		return Example{}, needs(r)
	}
	m := begin(r, r.Model+" 0")
	last := 0
	var problems []string
	var done []simple
	for i, one := range r.Args {
		p, err := simpleProblem(one)
		if err != nil {
			return Example{}, err
		}
		x, y, result := p.x, p.y, p.result()
		if result < 0 {
			return Example{}, say.Refuse("subtract-more", given("a", x), given("b", y))
		}
		if result > 9999 {
			return Example{}, say.Refuse("method-range", given("n", result), given("least", 0), given("most", 9999))
		}
		done = append(done, p)
		m.step(lesson.Step{
			Say:   line(map[bool]string{true: "pattern.first", false: "pattern.next"}[i == 0], text("problem", p.String())),
			Moves: []board.Move{m.acts.Build(strconv.Itoa(x))},
		})
		s := lesson.Step{
			Ask: line("pattern.will", text("problem", p.String())), Answer: line("pattern.answer", answer("result", result)),
			Moves: takeNumber(x, y), Write: []lesson.Write{m.sentence(p.String(), strconv.Itoa(result))},
		}
		if p.front {
			s.Write[0].Text = strconv.Itoa(result) + " = " + p.String()
		}
		if p.sign == "+" {
			s.Moves = []board.Move{{Kind: "place", Args: pieces.AmountArgs{Amount: strconv.Itoa(y)}}, {Kind: "fewest"}}
		}
		if i == len(r.Args)-1 {
			// What the ones before it tell is tried on the last.
			s.Ask = line("pattern.last", text("problem", p.String()))
			m.first(s)
		} else {
			m.key(s)
		}
		problems = append(problems, p.String())
		last = result
	}
	s := lesson.Step{Say: line("pattern.all"), Ask: line("pattern.digits"), Answer: m.digitsChanged(done)}
	offer := ""
	if !slices.ContainsFunc(done, simple.crosses) {
		if one, ok := offerCrossing(done); ok {
			// For the teacher alone: what a set without a crossing hides.
			offer = one.String()
			s.Look = line("pattern.offer", text("offer", offer))
		} else {
			s.Look = line("pattern.flat")
		}
	}
	m.first(s)
	if wholeTens(done) {
		m.why(line("pattern.why"), line("pattern.why.answer"))
	}
	if other := m.broken(done); !other.IsZero() {
		m.why(line("pattern.break"), other)
	}
	e, err := m.end(strings.Join(problems, ", "), strconv.Itoa(last))
	e.Offer, e.like = offer, likeness(done)
	e.hard = hardness{"harder.digit": 0, "harder.crossing-problem": 0}
	for _, p := range done {
		e.hard["harder.digit"] = max(e.hard["harder.digit"], len(strconv.Itoa(p.x)))
		if p.crosses() {
			e.hard["harder.crossing-problem"]++
		}
	}
	return e, err
}

// wholeTens tells whether problems add or take whole tens and nothing else.
func wholeTens(done []simple) bool {
	return !slices.ContainsFunc(done, func(p simple) bool { return p.y%10 > 0 || p.y == 0 })
}

// broken tells a problem that does not follow the pattern of the others, where they follow one: another digit
// changes, one is made or opened that was not, or none is.
func (m *maker) broken(done []simple) say.Line {
	last := done[len(done)-1]
	changed := last.changed()
	sign := map[bool]string{true: "made", false: "unbundled"}[last.sign == "+"]
	crossing := 0
	for _, p := range done {
		if p.sign != last.sign || !slices.Equal(changed, p.changed()) {
			return say.Line{}
		}
		if p.crosses() {
			crossing++
		}
	}
	switch {
	case len(changed) == 0:
	case crossing == len(done):
		// The same taken from more ones, or added to fewer.
		ones := max(0, 9-last.y%10)
		if last.sign != "+" {
			ones = 9
		}
		calm := simple{x: last.x - last.x%10 + ones, sign: last.sign, y: last.y}
		if calm.result() >= 0 && !calm.crosses() && !slices.Equal(changed, calm.changed()) {
			return line("pattern.break.none-"+sign, answerText("problem", calm.String()),
				say.PlaceName("unit", slices.Min(last.exchanged())))
		}
	case crossing > 0:
	case wholeTens(done):
		with := simple{x: last.x, sign: last.sign, y: last.y + 1}
		if with.result() < 0 {
			with.y = last.y - 1
		}
		return line("pattern.break.ones", answerText("problem", with.String()))
	default:
		if other, ok := offerCrossing(done); ok && !slices.Equal(changed, other.changed()) {
			units, n := m.exchangedIn([]simple{other})
			return line("pattern.break."+sign, answerText("problem", other.String()), units, n)
		}
	}
	return say.Line{}
}

// redrawPattern moves all first numbers alike: what is added or taken is what a row of
// problems is about, and how each follows from the one before.
func redrawPattern(args []string, draw func(int) int) []string {
	return moved(args, draw(9)-4+10*(draw(11)-5))
}

// growPattern moves them further, to where more of them cross a ten or have a digit more.
func growPattern(args []string, draw func(int) int) []string {
	return moved(args, draw(1000)-500)
}

// moved are problems whose first numbers are so many more.
func moved(args []string, by int) []string {
	out := make([]string, len(args))
	for i, a := range args {
		p, err := simpleProblem(a)
		if err != nil || p.x+by < 0 {
			return args
		}
		p.x += by
		if out[i] = p.String(); p.front {
			out[i] = "? = " + out[i]
		}
	}
	return out
}

// digitsChanged tells which places are another digit after than before.
func (m *maker) digitsChanged(done []simple) say.Line {
	var all []place.Place
	var crossing []simple
	alike, whole := true, true
	for i, p := range done {
		changed := p.changed()
		whole = whole && len(changed) == len(strconv.Itoa(max(p.x, p.result())))
		for _, c := range changed {
			if !slices.Contains(all, c) {
				alike = alike && i == 0
				all = append(all, c)
			}
		}
		alike = alike && len(changed) == len(all)
		if p.crosses() {
			crossing = append(crossing, p)
		}
	}
	slices.Sort(all)
	slices.Reverse(all)
	places := answerText("places", say.Listed(m.placeNames(all)))
	switch {
	case len(all) == 0:
		return line("pattern.changed.none")
	case len(crossing) == 0 && whole:
		return line("pattern.changed.all", places)
	case len(crossing) > 0:
		first := crossing[0]
		units, n := m.exchangedIn(crossing)
		id := "pattern.was.unbundled"
		if first.sign == "+" {
			id = "pattern.was.made"
		}
		other := func(p simple) bool { return p.sign != first.sign }
		switch {
		case len(crossing) == 1:
			return line(id, places, text("problem", first.String()), units, n)
		case len(crossing) == len(done) && !slices.ContainsFunc(crossing, other):
			return line(id+".each", places, units, n)
		}
		return line(id+".some", places, units, n)
	case !alike:
		return line("pattern.changed.various", places)
	}
	return line("pattern.changed", places)
}

// likeness is what a row of problems is about: how each follows from the one before.
func likeness(done []simple) string {
	var b strings.Builder
	for i, p := range done {
		if i == 0 {
			continue
		}
		fmt.Fprintf(&b, "%d ", p.x-done[i-1].x)
	}
	for _, p := range done {
		fmt.Fprintf(&b, "%s%d %t %d|", p.sign, p.y, p.crosses(), len(strconv.Itoa(p.x)))
	}
	return b.String()
}

// simple is a problem of one sign.
type simple struct {
	x    int
	sign string
	y    int
	// front says that the sentence has its answer first.
	front bool
}

func (p simple) result() int {
	if p.sign == "+" {
		return p.x + p.y
	}
	return p.x - p.y
}

// changed are the places that have another digit in the result than in the first number.
func (p simple) changed() []place.Place { return changedPlaces(place.Int(p.x), place.Int(p.result())) }

func (p simple) crosses() bool { return len(p.exchanged()) > 0 }

// exchanged are the places of which one is made or opened, the largest first.
func (p simple) exchanged() []place.Place {
	var all []place.Place
	x, y, over := p.x, p.y, 0
	for k := place.Tens; x > 0 || y > 0; k++ {
		a, b := x%10, y%10
		if p.sign == "+" && a+b+over >= 10 || p.sign != "+" && a < b+over {
			all, over = append(all, k), 1
		} else {
			over = 0
		}
		x, y = x/10, y/10
	}
	slices.Reverse(all)
	return all
}

// exchangedIn names what was made or opened, where it is alike in all problems, and how many it were.
func (m *maker) exchangedIn(all []simple) (units, n say.Value) {
	places := all[0].exchanged()
	if slices.ContainsFunc(all, func(p simple) bool { return !slices.Equal(p.exchanged(), places) }) {
		return answerText("units", say.New("pattern.something").Phrase(m.r.words())), answer("n", 1)
	}
	names := make([]string, len(places))
	for i, p := range places {
		names[i] = say.New("pattern.a", say.PlaceName("unit", p)).Phrase(m.r.words())
	}
	return answerText("units", say.Listed(names)), answer("n", len(places))
}

func (p simple) String() string { return strconv.Itoa(p.x) + " " + p.sign + " " + strconv.Itoa(p.y) }

// offerCrossing is a problem near the last one that crosses a ten, with numbers
// no larger than those of the set: the second number stays where it can.
func offerCrossing(done []simple) (simple, bool) {
	most, last := 0, done[len(done)-1]
	for _, p := range done {
		most = max(most, p.x, p.y)
		if p.sign == "+" {
			most = max(most, p.x+p.y)
		}
	}
	for y := last.y; y > 0; y-- {
		for apart := 1; apart <= most; apart++ {
			for _, x := range []int{last.x - apart, last.x + apart} {
				if fits := x >= 1 && (last.sign == "+" && x+y <= most || last.sign == "−" && x >= y && x <= most); fits &&
					(simple{x: x, sign: last.sign, y: y}).crosses() {
					return simple{x: x, sign: last.sign, y: y}, true
				}
			}
		}
	}
	return simple{}, false
}

// simpleProblem reads 14 − 10, or a sentence with it on either side: 4 = 14 − 10,
// 14 − 10 = ?. What it is said to come to must be right.
func simpleProblem(s string) (simple, error) {
	words := Tokens(s)
	var p simple
	said := ""
	switch at := slices.Index(words, "="); {
	case at == 0 || at == 1:
		said, words, p.front = strings.Join(words[:at], ""), words[at+1:], true
	case at == 3:
		said, words = strings.Join(words[4:], ""), words[:3]
	}
	if len(words) != 3 || mirrored(words[1]) != "−" && words[1] != "+" {
		return p, say.Refuse("pattern-problem", text("text", s))
	}
	var err error
	if p.x, err = wholeNumber(words[0], 0, 9999); err != nil {
		return p, err
	}
	p.sign = mirrored(words[1])
	if p.y, err = wholeNumber(words[2], 0, 9999); err != nil {
		return p, err
	}
	if said != "" && said != "?" && said != strconv.Itoa(p.result()) {
		return p, say.Refuse("pattern-false", text("problem", p.String()), given("n", p.result()), text("said", said))
	}
	return p, nil
}

// takeNumber takes a number from blocks that lie regrouped, opening what it must.
func takeNumber(x, y int) []board.Move {
	var moves []board.Move
	has := map[place.Place]int{}
	for p := place.Ones; p <= place.Thousands; p++ {
		has[p] = place.Int(x).Digit(p)
	}
	for p := place.Ones; p <= place.Thousands; p++ {
		d := place.Int(y).Digit(p)
		if has[p] < d {
			from := p + 1
			for from < place.Thousands && has[from] == 0 {
				from++
			}
			for ; from > p; from-- {
				has[from]--
				has[from-1] += 10
				moves = append(moves, unbundled(from))
			}
		}
		has[p] -= d
		if d > 0 {
			moves = append(moves, taken(p, d))
		}
	}
	return moves
}
