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
	Limits: "+, −, × or ÷ with whole numbers to 100.",
	Models: []string{"counters"},
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
	x, err := readMissing(strings.Join(r.Args, " "))
	if err != nil {
		return Example{}, err
	}
	m := begin(r, r.Model+" 0")
	switch x.op {
	case '+', '−':
		x.parts(m)
	default:
		x.groups(m)
	}
	m.key(lesson.Step{
		Say: line("unknown.check"), Ask: line("unknown.check.ask"),
		Answer: line("unknown.check.answer", answerText("solved", x.solved)),
		Write:  []lesson.Write{{Kind: "sentence", Text: x.solved}},
	})
	return m.end(x.text, strconv.Itoa(x.answer))
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

// parts shows the whole with the unknown part under a cover, or both parts when
// the whole is unknown.
func (x missing) parts(m *maker) {
	whole, one, two := x.whole()
	wholeUnknown := x.op == '+' && x.at == 2 || x.op == '−' && x.at == 0
	known := one
	if x.op == '+' && x.at == 0 || x.op == '−' && x.at == 2 {
		known = two
	}
	other := whole - known
	amount := strconv.Itoa(known) + " + " + strconv.Itoa(other)
	if wholeUnknown {
		amount = strconv.Itoa(one) + " + " + strconv.Itoa(two)
	}
	m.key(lesson.Step{
		Say:    line("unknown.start", text("sentence", x.text)),
		Ask:    line(map[bool]string{true: "unknown.whole.ask", false: "unknown.part.ask"}[wholeUnknown]),
		Answer: line(map[bool]string{true: "unknown.whole", false: "unknown.part"}[wholeUnknown]),
		Moves: []board.Move{m.acts.Build(amount),
			{Kind: "cover", Args: board.CoverArgs{Zone: board.AllZone}}},
	})
	if wholeUnknown {
		m.step(lesson.Step{
			Say: line("unknown.join", part("one", one), part("two", two)), Ask: line("unknown.join.ask"),
			Answer: line("unknown.is", answer("n", x.answer)),
			Moves:  []board.Move{{Kind: "uncover"}}, Write: []lesson.Write{bond(whole, one, two)},
		})
		return
	}
	m.step(lesson.Step{
		Say: line("unknown.take", part("whole", whole), part("known", known)), Ask: line("unknown.take.ask"),
		Answer: line("unknown.take.answer", answerText("inverse", minusText(whole, known)+" = "+strconv.Itoa(other))),
		Write:  []lesson.Write{{Kind: "sentence", Text: minusText(whole, known) + " = " + strconv.Itoa(other)}},
	})
	m.step(lesson.Step{
		Say: line("unknown.reveal"), Ask: line("unknown.reveal.ask"), Answer: line("unknown.is", answer("n", x.answer)),
		Moves: []board.Move{{Kind: "uncover"}}, Write: []lesson.Write{bond(whole, known, other)},
	})
}

// groups shows a product as equal groups under a cover.
func (x missing) groups(m *maker) {
	product, one, two := x.c, x.a, x.b
	if x.op == '÷' {
		product, one, two = x.a, x.b, x.c
	}
	m.key(lesson.Step{
		Say: line("unknown.start", text("sentence", x.text)), Ask: line("unknown.groups.ask"), Answer: line("unknown.groups"),
		Moves: []board.Move{m.acts.Build(strconv.Itoa(product)),
			{Kind: "cover", Args: board.CoverArgs{Zone: board.AllZone}}},
	})
	inverse := strconv.Itoa(one) + " × " + strconv.Itoa(two) + " = " + strconv.Itoa(product)
	m.step(lesson.Step{
		Say: line("unknown.inverse"), Ask: line("unknown.inverse.ask"),
		Answer: line("unknown.take.answer", answerText("inverse", inverse)),
		Write:  []lesson.Write{{Kind: "sentence", Text: inverse}},
	})
	reveal := lesson.Step{Say: line("unknown.reveal"), Ask: line("unknown.reveal.ask"),
		Answer: line("unknown.is", answer("n", x.answer)), Moves: []board.Move{{Kind: "uncover"}}}
	if one >= 1 && one <= 12 && two >= 1 && two <= 12 {
		reveal.Moves = append(reveal.Moves, m.acts.Array(one, two))
	}
	m.step(reveal)
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
