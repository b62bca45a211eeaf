package method

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// share deals a number out evenly: with counters one by one, with discs place by
// place, exchanging what is left over.
var share = Spec{
	ID: "share", Title: "Share out", Operation: "divide",
	Doc: "A number shared into equal groups: a known fact first where there is one; with discs place by place, what " +
		"is left of a place opened into the next, written as short division as it goes; remainders left over or as " +
		"decimals; checked by multiplying.",
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
	byPlaces := actsOf(r.Model).OpenLeft != nil
	if !byPlaces {
		if r.Options["remainder"] == "decimals" {
			return Example{}, say.Refuse("share-decimals")
		}
		limits = [][2]int{{0, 60}, {1, 12}}
	}
	a, err := arguments(r, limits...)
	if err != nil {
		return Example{}, err
	}
	if byPlaces {
		return shareByPlaces(r, a[0], a[1])
	}
	return shareByOnes(r, a[0], a[1])
}

func shareByOnes(r Request, n, by int) (Example, error) {
	m := begin(r, r.Model+" 0")
	m.key(lesson.Step{
		Say: line("share.start", given("n", n), given("by", by)), Ask: line("share.predict"),
		Answer: line("share.predict.answer"),
		Moves:  []board.Move{m.acts.Build(strconv.Itoa(n)), m.acts.Groups(by)},
	})
	for round := 1; round <= n/by; round++ {
		m.step(lesson.Step{
			Say: line("share.deal"), Ask: line("share.deal.ask"),
			Answer: line("share.deal.answer", answer("each", round), answer("left", n-round*by)),
			Moves:  []board.Move{m.acts.Deal(place.Ones)},
			Write:  []lesson.Write{row(strconv.Itoa(round), strconv.Itoa(n-round*by))},
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

func shareByPlaces(r Request, n, by int) (Example, error) {
	s := sharing{maker: begin(r, r.Model+" 0"), n: n, by: by}
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
		Say: line("share.start", given("n", n), given("by", by)),
		Ask: line("share.place.predict", say.PlaceName("place", number.Top())), Answer: s.predictPlace(number),
		Moves: []board.Move{s.acts.Build(number.String()), s.acts.Groups(by)},
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
		Say:    line("share.known", given("count", count), given("by", s.by)),
		Ask:    line("share.known.ask", say.Pieces("pieces", say.Given, count, top), given("by", s.by)),
		Answer: line("share.known.answer", answer("each", count/s.by), say.Pieces("eachPieces", say.Answer, count/s.by, top)),
		Write: []lesson.Write{{Kind: "sentence", Text: strconv.Itoa(count) + " ÷ " + strconv.Itoa(s.by) + " = " +
			strconv.Itoa(count/s.by)}},
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
			Say:    line("share.open", say.Pieces("left", say.Part, opened, p+1)),
			Ask:    line("share.open.ask", say.PlaceName("place", p)),
			Answer: line("share.open.answer", say.Pieces("has", say.Answer, has, p)),
			Moves:  s.openLeft(p+1, opened),
			Write:  s.carried(p, opened),
		})
	}
	each, left := has/s.by, has%s.by
	v, _ := p.Value().Times(each)
	s.quot, _ = s.quot.Add(v)
	step := lesson.Step{
		Say:    line("share.place", say.Pieces("has", say.Part, has, p), given("by", s.by)),
		Ask:    line("share.place.ask", say.PlaceName("place", p)),
		Answer: line("share.place.answer", say.Pieces("each", say.Answer, each, p), say.Pieces("left", say.Answer, left, p)),
		Look:   line("look.place", say.PlaceName("place", p)),
	}
	if s.quot.Top() >= p || p == place.Ones {
		step.Write = []lesson.Write{digitCell("quotient", p, each, board.Select{Place: p})}
	}
	if each > 0 {
		step.Moves = []board.Move{s.acts.Deal(p)}
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

// openLeft opens what no group took of a place.
func (s *sharing) openLeft(p place.Place, count int) []board.Move {
	if s.err != nil {
		return nil
	}
	return []board.Move{s.acts.OpenLeft(s.now.Models[0], p, count)}
}

// endDecimals closes a division that went on into tenths and further.
func (s *sharing) endDecimals(problem string, left int) (Example, error) {
	if left > 0 {
		return Example{}, say.Refuse("share-ends", text("problem", problem))
	}
	s.key(lesson.Step{
		Say: line("divide.check"), Ask: line("divide.check.ask"),
		Answer: line("divide.check.decimal", say.Number("quotient", say.Answer, s.quot), given("by", s.by), answer("n", s.n)),
		Write: []lesson.Write{s.sentence(problem, s.quot.String()),
			{Kind: "sentence", Text: s.quot.String() + " × " + strconv.Itoa(s.by) + " = " + strconv.Itoa(s.n)}},
	})
	return s.end(problem, s.quot.String())
}
