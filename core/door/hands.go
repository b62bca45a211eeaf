package door

import (
	"slices"
	"strings"

	"unitbloom/core/mistake"
	"unitbloom/core/place"
)

// mostHands is how many answers a show of hands has at most.
const mostHands = 4

// Hands are answers for a class to choose from. Which of them is right stands nowhere.
type Hands struct {
	Answers []string `json:"answers"`
}

// hands offers the answer of the example that is shown and those that known mistakes give to
// its problem, from the smallest; none where no mistake is known.
func hands(s *session, _ None) (Hands, error) {
	sc, ok := s.current()
	offered := Hands{[]string{}}
	if !ok || sc.Made == nil {
		return offered, nil
	}
	answers := []string{sc.Made.Answer}
	for _, slip := range mistake.Slips(mistake.Problem{Method: sc.Made.Method, Args: sc.Made.Args}) {
		if len(answers) < mostHands && !slices.Contains(answers, slip.Answer) {
			answers = append(answers, slip.Answer)
		}
	}
	if len(answers) < 2 {
		return offered, nil
	}
	slices.SortFunc(answers, func(a, b string) int {
		x, errX := place.Parse(a)
		y, errY := place.Parse(b)
		if errX == nil && errY == nil {
			return x.Cmp(y.Number)
		}
		return strings.Compare(a, b)
	})
	for _, answer := range answers {
		offered.Answers = append(offered.Answers, s.doc.Words.Spell(answer))
	}
	return offered, nil
}
