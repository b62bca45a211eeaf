package method

import (
	"strconv"

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
	Args:   "problems of + or −",
	Sample: []string{"14 - 10", "23 - 10", "35 - 10"}, Typed: "14 − 10, 23 − 10, 35 − 10",
	Limits: "2 to 10 problems, whole numbers to 9,999.",
	Models: []string{"blocks"},
	make:   makePattern,
	read:   commaParted,
}

func makePattern(r Request) (Example, error) {
	if len(r.Args) < 2 || len(r.Args) > 10 {
		return Example{}, needs(r)
	}
	m := begin(r, r.Model+" 0")
	crosses := false
	last := 0
	var problems string
	var done []simple
	for i, one := range r.Args {
		x, sign, y, err := simpleProblem(one)
		if err != nil {
			return Example{}, err
		}
		result := x + y
		kind, ask := "place", "pattern.add"
		if sign == "−" {
			result, kind, ask = x-y, "", "pattern.take"
		}
		if result < 0 || result > 9999 {
			return Example{}, say.Refuse("method-range", given("n", result), given("least", 0), given("most", 9999))
		}
		crosses = crosses || crossesTen(x, y, sign)
		done = append(done, simple{x, sign, y})
		moves := []board.Move{m.acts.Build(strconv.Itoa(x))}
		if kind == "place" {
			moves = append(moves, board.Move{Kind: "place", Args: pieces.AmountArgs{Amount: strconv.Itoa(y)}}, board.Move{Kind: "fewest"})
		} else {
			moves = append(moves, takeNumber(x, y)...)
		}
		problem := strconv.Itoa(x) + " " + sign + " " + strconv.Itoa(y)
		m.key(lesson.Step{
			Say: line(map[bool]string{true: "pattern.first", false: "pattern.next"}[i == 0], text("problem", problem)),
			Ask: line(ask), Answer: line("pattern.answer", answer("result", result)),
			Moves: moves, Write: []lesson.Write{m.sentence(problem, strconv.Itoa(result))},
		})
		problems += map[bool]string{true: "", false: ", "}[i == 0] + problem
		last = result
	}
	s := lesson.Step{Say: line("pattern.all"), Ask: line("pattern.ask"), Answer: line("pattern.crosses")}
	offer := ""
	if !crosses {
		s.Answer = line("pattern.stays")
		if one, ok := offerCrossing(done); ok {
			// For the teacher alone: what a set without a crossing hides.
			offer = one.String()
			s.Look = line("pattern.offer", text("offer", offer))
		} else {
			s.Look = line("pattern.flat")
		}
	}
	m.key(s)
	e, err := m.end(problems, strconv.Itoa(last))
	e.Offer = offer
	return e, err
}

// simple is a problem of one sign.
type simple struct {
	x    int
	sign string
	y    int
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
					crossesTen(x, y, last.sign) {
					return simple{x, last.sign, y}, true
				}
			}
		}
	}
	return simple{}, false
}

func simpleProblem(s string) (x int, sign string, y int, err error) {
	words := Tokens(s)
	if len(words) != 3 || mirrored(words[1]) != "−" && words[1] != "+" {
		return 0, "", 0, say.Refuse("pattern-problem", text("text", s))
	}
	if x, err = wholeNumber(words[0], 0, 9999); err != nil {
		return
	}
	y, err = wholeNumber(words[2], 0, 9999)
	return x, mirrored(words[1]), y, err
}

func crossesTen(x, y int, sign string) bool {
	for x > 0 || y > 0 {
		if sign == "+" && x%10+y%10 >= 10 || sign == "−" && x%10 < y%10 {
			return true
		}
		x, y = x/10, y/10
	}
	return false
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
