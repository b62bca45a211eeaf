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
	Doc: "A number shared into equal groups: the size foretold; with discs place by place, what " +
		"is left of a place unbundled into the next, written as short division as it goes; remainders left over or as " +
		"decimals; checked by multiplying.",
	Args:   "a number and how many groups",
	Sample: []string{"97", "4"}, Typed: "97 ÷ 4",
	Limits: "Discs: up to 7 digits by 1 to 9; counters: to 60 by 1 to 12.",
	Models: []string{"discs", "counters"},
	Options: []Option{
		choice("remainder", "What is left stays over, or is unbundled into tenths and on.", "left over", "decimals"),
		checkByInverse,
	},
	Signs: "÷",
	stops: groupStops,
	make:  makeShare,
}

func makeShare(r Request) (Example, error) {
	limits := [][2]int{{0, 9_999_999}, {1, 9}}
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
	m.step(lesson.Step{
		Say:   line("share.among", given("n", n), given("by", by)),
		Moves: []board.Move{m.acts.Build(strconv.Itoa(n)), m.acts.Groups(by)},
	})
	m.key(lesson.Step{Ask: line("share.fair"), Answer: line("share.fair.answer")})
	m.table("round", "left")
	for round := 1; round <= n/by; round++ {
		s := lesson.Step{
			Say: line("share.round"), Ask: line("share.each-now"),
			Answer: noneOr("share.each-now.answer", n-round*by, answer("each", round),
				answer("left", n-round*by)),
			Moves: []board.Move{m.acts.Deal(place.Ones)},
			Write: []lesson.Write{row(strconv.Itoa(round), strconv.Itoa(n-round*by))},
		}
		if round == 1 {
			s.Say = line("share.round.first")
		}
		if round == n/by {
			m.first(s)
		} else {
			m.step(s)
		}
	}
	if n < by {
		m.first(lesson.Step{Ask: line("share.enough.all", given("n", n), given("by", by)), Answer: line("share.enough.few",
			given("n", n), given("by", by))})
	}
	return m.endDivision(strconv.Itoa(n)+" ÷ "+strconv.Itoa(by), n, by, by, n/by)
}

// sharing is a division by places while its example is made.
type sharing struct {
	*maker
	n, by int
	quot  place.Number
	// opened is whether a place was opened already.
	opened bool
}

func shareByPlaces(r Request, n, by int) (Example, error) {
	s := sharing{maker: begin(r, r.Model+" 0"), n: n, by: by}
	problem := strconv.Itoa(n) + " ÷ " + strconv.Itoa(by)
	number := place.Int(n)
	low := place.Ones
	if r.Options["remainder"] == "decimals" {
		low = place.Thousandths
	}
	frame := []lesson.Write{{Kind: "cell", Row: "dividend", Text: strconv.Itoa(by)}}
	for p := number.Top(); p >= place.Ones; p-- {
		frame = append(frame, digitCell("dividend", p, number.Digit(p), board.Select{Place: p, State: "any"}))
	}
	s.step(lesson.Step{
		Say:   line("share.among", given("n", n), given("by", by)),
		Moves: []board.Move{s.acts.Build(number.String()), s.acts.Groups(by)},
		Write: frame,
	})
	if n == 0 {
		s.first(lesson.Step{Ask: line("share.none"), Answer: line("share.none.answer")})
	}
	s.size()
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
	e, err := s.endDivision(problem, n, by, by, n/by)
	e.like = noneOrSome(n % by)
	return e, err
}

// size asks how many each will get, by a round number whose groups are easy to work out.
func (s *sharing) size() {
	if s.n <= 20 || s.by == 1 || s.n/s.by < 4 {
		return
	}
	quotient := place.Int(s.n / s.by)
	lead, _ := quotient.DigitValue(quotient.Top()).Whole() // would give the first digit away
	bound, apart := 0, 0
	for unit := 1; unit <= s.n; unit *= 10 {
		for _, f := range []int{1, 2, 5} {
			d := s.n - unit*f*s.by
			if d = max(d, -d); d > 0 && unit*f != lead && unit*f != s.n/s.by && (bound == 0 || d < apart) {
				bound, apart = unit*f, d
			}
		}
	}
	id := "share.size.more"
	if s.n < bound*s.by {
		id = "share.size.less"
	}
	s.key(lesson.Step{Ask: line("share.size", given("bound", bound)), Answer: line(id, given("bound", bound),
		given("by", s.by),
		given("all", bound*s.by))})
}

// sharePlace opens what was left of the place before, deals what there is, and
// gives what is left now.
func (s *sharing) sharePlace(p place.Place, has, opened int) int {
	at := say.PlaceName("place", p)
	if opened > 0 {
		step := lesson.Step{
			Say: line("share.over", say.Pieces("left", say.Given, opened, p+1)), Ask: line("share.what"),
			Answer: line("share.what.answer", say.PlaceName("place", p), say.Pieces("has", say.Answer, has, p),
				given("count", opened)),
			Moves: s.openLeft(p+1, opened),
			Write: s.carried(p, opened),
		}
		if s.opened {
			s.key(step)
		} else {
			s.first(step)
		}
		s.opened = true
	}
	each, left := has/s.by, has%s.by
	v, _ := p.Value().Times(each)
	s.quot, _ = s.quot.Add(v)
	step := lesson.Step{
		Say:    line("share.out", say.Pieces("has", say.Given, has, p), given("by", s.by)),
		Ask:    line("share.gets", at),
		Answer: line("share.gets.answer", say.Pieces("each", say.Answer, each, p), say.Pieces("left", say.Answer, left, p)),
		Look:   line("look.place", at),
	}
	if left == 0 {
		step.Answer = line("share.gets.even", say.Pieces("each", say.Answer, each, p))
	}
	written := s.quot.Top() >= p && !s.quot.IsZero() || p == place.Ones
	if written {
		step.Write = []lesson.Write{digitCell("quotient", p, each, board.Select{Place: p})}
	}
	switch {
	case each > 0:
		step.Moves = []board.Move{s.acts.Deal(p)}
		s.key(step)
	case has == 0 && written:
		step.Say, step.Ask, step.Answer = line("share.nothing", at), say.Line{}, say.Line{}
		s.step(step)
	case written:
		step.Say = line("share.there", say.Pieces("has", say.Given, has, p))
		step.Ask, step.Answer = line("share.enough", at, given("by", s.by)), line("share.enough.zero", at)
		s.first(step)
	case has > 0:
		step.Say = line("share.there", say.Pieces("has", say.Given, has, p))
		step.Ask, step.Answer = line("share.enough", at, given("by", s.by)), line("share.enough.no", at)
		s.key(step)
	}
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
	s.step(lesson.Step{
		Ask: line("divide.what", text("problem", problem)), Answer: line("divide.is.decimal",
			say.Number("quotient", say.Answer, s.quot),
			text("problem", problem)),
		Write: []lesson.Write{s.sentence(problem, s.quot.String())},
	})
	s.together(place.Int(s.n), strconv.Itoa(s.by)+" × "+s.quot.String())
	return s.end(problem, s.quot.String())
}
