package method

import (
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
	"unitbloom/core/sentence"
)

// unknown finds what is missing in a sentence: its part lies under a cover, is
// reasoned on the model, and revealed.
var unknown = Spec{
	ID: "unknown", Title: "Find what is missing", Operation: "add",
	Doc: "A sentence with one unknown in any place: what it stands for lies under a cover; the model and the " +
		"inverse tell it; it is revealed and checked.",
	Args:   "a sentence with one unknown",
	Sample: []string{"? + 7 = 15"}, Typed: "? + 7 = 15",
	Limits: "+, −, × or ÷ with whole numbers to 100; or a sum on both sides, of numbers to 20.",
	Models: []string{"counters"},
	grow:   growUnknown,
	make:   makeUnknown,
	read:   func(text string) []string { return []string{text} },
}

// missing is a sentence a ∘ b = c with its unknown found. In every one the
// whole is parted in two, or in equal groups.
type missing struct {
	text, solved string
	answer       int
	op           rune
	a, b, c      int
	at           int // which of a, b, c is the unknown
}

func makeUnknown(r Request) (Example, error) {
	b, both, err := readBalance(strings.Join(r.Args, " "))
	if err != nil {
		return Example{}, err
	}
	if both {
		e, err := b.make(r).end(b.text, strconv.Itoa(b.of[b.at]))
		e.hard, e.like = b.hardness(), b.likeness()
		return e, err
	}
	x, err := readMissing(strings.Join(r.Args, " "))
	if err != nil {
		return Example{}, err
	}
	var m *maker
	switch x.op {
	case '+', '−':
		m = x.parts(r)
	default:
		m = x.groups(r)
	}
	e, err := m.end(x.text, strconv.Itoa(x.answer))
	e.hard = x.hardness()
	return e, err
}

// hardness is what makes a sentence harder: its numbers, and that what is missing comes earlier in it.
func (x missing) hardness() hardness {
	var h hardness
	switch x.op {
	case '+':
		h = factHardness(x.a, x.b)
	case '−':
		h = takenHardness(x.a, x.b)
	case '÷':
		h = tablesHardness(x.b, x.c)
	default:
		h = tablesHardness(x.a, x.b)
	}
	h["harder.missing"] = 2 - x.at
	return h
}

// growUnknown draws the numbers anew, and what is missing.
func growUnknown(args []string, draw func(int) int) []string {
	if _, both, _ := readBalance(strings.Join(args, " ")); both {
		return []string{growBalance(draw)}
	}
	x, err := readMissing(strings.Join(args, " "))
	if err != nil {
		return args
	}
	a, b := 1+draw(9), 1+draw(9)
	numbers := []string{strconv.Itoa(a), strconv.Itoa(b), strconv.Itoa(a + b)}
	switch x.op {
	case '−':
		numbers[0], numbers[2] = numbers[2], numbers[0]
	case '×':
		numbers[2] = strconv.Itoa(a * b)
	case '÷':
		numbers[0], numbers[2] = strconv.Itoa(a*b), numbers[0]
	}
	numbers[draw(3)] = "?"
	return []string{numbers[0] + " " + string(x.op) + " " + numbers[1] + " = " + numbers[2]}
}

func readMissing(text string) (missing, error) {
	s, err := sentence.Parse(text)
	if err != nil {
		return missing{}, err
	}
	v, err := sentence.Judge(text)
	if err != nil {
		return missing{}, err
	}
	if v.State != "open" {
		return missing{}, say.Refuse("unknown-none", say.Text("text", say.Given, v.Text))
	}
	x := missing{text: v.Text, solved: v.Solved}
	left, right := s.Sides[0], s.Sides[len(s.Sides)-1]
	if len(right.Terms) == 2 {
		left, right = right, left
	}
	if len(s.Sides) != 2 || len(left.Terms) != 2 || len(right.Terms) != 1 {
		return missing{}, say.Refuse("unknown-shape")
	}
	x.op = left.Ops[0]
	for i, t := range []sentence.Term{left.Terms[0], left.Terms[1], right.Terms[0]} {
		into := []*int{&x.a, &x.b, &x.c}[i]
		number := t.Number.String()
		if t.Unknown {
			number, x.at = v.Answer, i
		}
		if *into, err = wholeNumber(number, 0, 100); err != nil {
			return missing{}, err
		}
		if t.Unknown {
			x.answer = *into
		}
	}
	return x, nil
}

// whole and parts of a sum or a difference.
func (x missing) whole() (whole, one, two int) {
	if x.op == '+' {
		return x.c, x.a, x.b
	}
	return x.a, x.c, x.b
}

// parts shows both parts in frames, the unknown one under a cover. Where the whole is
// unknown both are seen, and nobody has put them together.
func (x missing) parts(r Request) *maker {
	whole, one, two := x.whole()
	wholeUnknown := x.op == '+' && x.at == 2 || x.op == '−' && x.at == 0
	known := one
	if x.op == '+' && x.at == 0 || x.op == '−' && x.at == 2 {
		known = two
	}
	other := whole - known
	m := begin(r, actsOf(r.Model).Frames(2, max(1, (max(known, other)+9)/10), 10))
	open := []lesson.Write{{Kind: "text", Text: x.text}}
	seen, hidden := m.placedIn(1, known, false), m.placedIn(2, other, true)
	if wholeUnknown {
		m.step(lesson.Step{Say: line("unknown.open", text("sentence", x.text)), Moves: append(seen, hidden...),
			Write: open})
		m.key(lesson.Step{Ask: line("unknown.part-or-whole"), Answer: line("unknown.is-whole", given("one", one),
			given("two", two))})
		m.first(lesson.Step{
			Ask: line("unknown.find"), Answer: line("unknown.find.join", given("one", one), given("two", two),
				answerText("inverse", sumText([2]int{one, two})+" = "+strconv.Itoa(whole))),
			Write: []lesson.Write{bond(whole, one, two)},
		})
		if x.op == '−' {
			m.why(line("unknown.why.add"), line("unknown.why.add.answer", given("one", one), given("two", two)))
		}
		m.solve(x.solved, nil)
		return m
	}
	// What is hidden is laid under its cover: nobody has seen it.
	m.step(lesson.Step{Say: line("unknown.open", text("sentence", x.text)),
		Moves: append(m.covered(seen, "frame", 2), hidden...), Write: open})
	m.key(lesson.Step{Ask: line("unknown.part-or-whole"), Answer: line("unknown.is-part", given("whole", whole),
		given("known", known))})
	m.first(lesson.Step{
		Ask: line("unknown.find"), Answer: line("unknown.find.take", given("whole", whole), given("known", known),
			answerText("inverse", minusText(whole, known)+" = "+strconv.Itoa(other))),
		Write: []lesson.Write{{Kind: "sentence", Text: minusText(whole, known) + " = " + strconv.Itoa(other)}},
	})
	if x.op == '+' {
		m.why(line("unknown.why.take"), line("unknown.why.take.answer", given("whole", whole), given("known", known)))
	}
	m.step(lesson.Step{
		Say: line("unknown.lift"), Ask: line("unknown.lift.ask"),
		Answer: noneOr("unknown.lift.answer", other, answer("n", other)),
		Moves:  []board.Move{{Kind: "uncover"}}, Write: []lesson.Write{bond(whole, known, other)},
	})
	m.solve(x.solved, nil)
	return m
}

// solve puts the number into the sentence.
func (m *maker) solve(solved string, moves []board.Move) {
	m.step(lesson.Step{
		Ask: line("unknown.solved"), Answer: line("unknown.solved.answer", answerText("solved", solved)), Moves: moves,
		Write: []lesson.Write{{Kind: "sentence", Text: solved}},
	})
}

// groups shows a product as equal groups under a cover.
func (x missing) groups(r Request) *maker {
	product, one, two, at := x.c, x.a, x.b, x.at
	if x.op == '÷' {
		product, one, two, at = x.a, x.b, x.c, (x.at+2)%3
	}
	m := begin(r, r.Model+" 0")
	laid := []board.Move{m.acts.Build(strconv.Itoa(product))}
	if product > 0 && one <= 12 && two <= 12 {
		laid = []board.Move{m.acts.Array(one, two)}
	}
	m.step(lesson.Step{
		Say:   line("unknown.open.covered", text("sentence", x.text)),
		Moves: append([]board.Move{{Kind: "cover", Args: board.CoverArgs{Zone: board.AllZone}}}, laid...),
		Write: []lesson.Write{{Kind: "text", Text: x.text}},
	})
	m.key(lesson.Step{Ask: line("unknown.of-three"),
		Answer: line([]string{"unknown.of-three.groups", "unknown.of-three.each",
			"unknown.of-three.all"}[at])})
	inverse := strconv.Itoa(product) + " ÷ " + strconv.Itoa(two) + " = " + strconv.Itoa(one)
	find := "unknown.find.divide"
	switch at {
	case 1:
		inverse = strconv.Itoa(product) + " ÷ " + strconv.Itoa(one) + " = " + strconv.Itoa(two)
	case 2:
		inverse, find = strconv.Itoa(one)+" × "+strconv.Itoa(two)+" = "+strconv.Itoa(product), "unknown.find.multiply"
	}
	m.first(lesson.Step{
		Ask: line("unknown.find"), Answer: line(find, answerText("inverse", inverse)),
		Write: []lesson.Write{{Kind: "sentence", Text: inverse}},
	})
	m.why(line("unknown.why.undo"), line("unknown.why.undo.answer", given("one", one), given("two", two),
		given("all", product)))
	m.step(lesson.Step{
		Say: line("unknown.lift"), Ask: line("unknown.lift.ask"), Answer: line("unknown.lift.three", given("one", one),
			given("two", two), given("all", product)),
		Moves: []board.Move{{Kind: "uncover"}},
	})
	m.solve(x.solved, nil)
	return m
}

// commaParted parts problems at commas, semicolons and new lines.
func commaParted(text string) []string {
	var out []string
	for _, one := range strings.FieldsFunc(text, func(r rune) bool { return r == ',' || r == ';' || r == '\n' }) {
		if one = strings.TrimSpace(one); one != "" {
			out = append(out, one)
		}
	}
	return out
}
