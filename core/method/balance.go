package method

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
	"unitbloom/core/sentence"
)

// What unknown does with a sum on both sides, 8 + ? = 9 + 4: each side is a row of two frames, and the
// sign between them says that the rows are the same.

// mostOnSide is how many counters a frame of a side holds at most.
const mostOnSide = 20

// balance is a sum on both sides, with its unknown found.
type balance struct {
	text, solved string
	of           [4]int // the numbers as they are written, two on each side
	at           int    // which of them is the unknown
}

// readBalance reads a sum on both sides with one unknown; ok is false for another sentence.
func readBalance(text string) (b balance, ok bool, err error) {
	s, err := sentence.Parse(text)
	if err != nil || len(s.Sides) != 2 || len(s.Sides[0].Terms) != 2 || len(s.Sides[1].Terms) != 2 {
		return b, false, nil
	}
	v, err := sentence.Judge(text)
	if err != nil {
		return b, true, err
	}
	if v.State != "open" {
		return b, true, say.Refuse("unknown-none", say.Text("text", say.Given, v.Text))
	}
	b.text, b.solved = v.Text, v.Solved
	for i, side := range s.Sides {
		if side.Ops[0] != '+' {
			return b, true, say.Refuse("unknown-both")
		}
		for j, t := range side.Terms {
			number := t.Number.String()
			if t.Unknown {
				number, b.at = v.Answer, 2*i+j
			}
			if b.of[2*i+j], err = wholeNumber(number, 0, mostOnSide); err != nil {
				return b, true, err
			}
		}
	}
	return b, true, nil
}

// beside is the known number on the side of the unknown, and others are those of the other side, the
// nearer to it first.
func (b balance) beside() (known int, others [2]int) {
	known = b.of[b.at^1]
	others = [2]int(b.of[2-b.at/2*2:][:2])
	if apart(others[1], known) < apart(others[0], known) {
		others[0], others[1] = others[1], others[0]
	}
	return known, others
}

func apart(a, b int) int { return max(a-b, b-a) }

// near is how far apart numbers on both sides may be, so that what is missing is seen without adding.
const near = 3

func (b balance) make(r Request) *maker {
	n := b.of[b.at]
	m := begin(r, actsOf(r.Model).Frames(4, max(2, (slices.Max(b.of[:])+4)/5), 5))
	var laid []board.Move
	for i, count := range b.of {
		if i != b.at {
			laid = append(laid, m.placedIn(i+1, count, i%2 == 1)...)
		}
	}
	// What is hidden is laid under its cover: nobody has seen it.
	laid = append(m.covered(laid, "frame", b.at+1), m.placedIn(b.at+1, n, b.at%2 == 1)...)
	m.step(lesson.Step{
		Say: line("unknown.open", text("sentence", b.text)), Moves: laid,
		Write: []lesson.Write{{Kind: "text", Text: b.text}},
	})
	m.key(lesson.Step{Ask: line("unknown.both.equals"), Answer: line("unknown.both.equals.answer")})
	known, others := b.beside()
	values := []say.Value{given("known", known), given("near", others[0]), given("far", others[1]), answer("n", n)}
	by := others[0] - known
	find := lesson.Step{Ask: line("unknown.both.near"), Answer: line("unknown.both.same", values...)}
	switch {
	case apart(others[0], known) > near:
		whole := others[0] + others[1]
		find = lesson.Step{
			Ask:    line("unknown.find"),
			Answer: line("unknown.both.total", append(values, given("whole", whole))...),
			Write:  []lesson.Write{{Kind: "sentence", Text: minusText(whole, known) + " = " + strconv.Itoa(n)}},
		}
	case by > 0:
		find.Answer = line("unknown.both.more", append(values, given("by", by))...)
	case by < 0:
		find.Answer = line("unknown.both.less", append(values, given("by", -by))...)
	}
	m.first(find)
	if wrong, unseen, ok := b.mistaken(); ok {
		m.why(line("unknown.both.wrong", given("wrong", wrong)), line("unknown.both.wrong.answer",
			given("unseen", unseen), given("wrong", wrong)))
	}
	m.step(lesson.Step{
		Say: line("unknown.lift"), Ask: line("unknown.lift.ask"), Answer: noneOr("unknown.lift.answer", n, answer("n", n)),
		Moves: []board.Move{{Kind: "uncover"}},
		Write: []lesson.Write{b.side(0), b.side(2)},
	})
	m.solve(b.solved, nil)
	return m
}

// side is the sum of one side.
func (b balance) side(from int) lesson.Write {
	two := [2]int(b.of[from:][:2])
	return lesson.Write{Kind: "sentence", Text: sumText(two) + " = " + strconv.Itoa(two[0]+two[1])}
}

// mistaken is what children write who take the = for the place of an answer, and the number that they do
// not look at then: 1 for 8 + ? = 9 + 4, and 13 for 8 + 5 = ? + 4.
func (b balance) mistaken() (wrong, unseen int, ok bool) {
	switch b.at {
	case 2:
		wrong, unseen = b.of[0]+b.of[1], b.of[3]
	case 0, 1:
		wrong, unseen = b.of[2]-b.of[b.at^1], b.of[3]
	}
	return wrong, unseen, b.at < 3 && wrong >= 0 && unseen > 0
}

// likeness is what another problem like it keeps.
func (b balance) likeness() string {
	known, others := b.beside()
	return strings.Join([]string{"balance", strconv.Itoa(b.at), strconv.FormatBool(apart(others[0], known) <= near)}, " ")
}

// hardness is what makes it harder: more altogether, and that what is missing comes earlier.
func (b balance) hardness() hardness {
	return hardness{"harder.whole": b.of[0] + b.of[1], "harder.missing": 3 - b.at}
}

// growBalance draws two sums alike, and what is missing in one of them.
func growBalance(draw func(int) int) string {
	a, b := 2+draw(8), 2+draw(8)
	by := draw(min(a, b, near) + 1)
	numbers := []string{strconv.Itoa(a), strconv.Itoa(b), strconv.Itoa(a - by), strconv.Itoa(b + by)}
	numbers[draw(4)] = "?"
	return numbers[0] + " + " + numbers[1] + " = " + numbers[2] + " + " + numbers[3]
}
