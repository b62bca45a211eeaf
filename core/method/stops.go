// How much an example asks. A stop is a question whose answer is held back; what is not
// asked is told.

package method

import (
	"slices"

	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

// Ages are the choices of how old a class is, the usual one first.
var Ages = []string{"7-8", "5-6", "9-11"}

// stops are how many questions an example asks at most, by the age of the class in the
// order of Ages.
type stops [3]int

// The judgement of experienced teachers, not a trial: with more, a class loses the thread.
var (
	factStops   = stops{3, 3, 2}
	groupStops  = stops{4, 3, 5}
	columnStops = stops{5, 3, 6}
	otherStops  = stops{4, 3, 4}
)

// Stops is how many questions an example of the method asks at most at an age.
func (s Spec) Stops(age string) int {
	if s.stops == (stops{}) {
		return otherStops[max(0, slices.Index(Ages, age))]
	}
	return s.stops[max(0, slices.Index(Ages, age))]
}

// chooseStops keeps the questions that an example asks, and tells the others: all of
// them, none, or the key ones as far as the age of the class allows. Of several that ask
// the same, the first is kept first.
func (b *builder) chooseStops(most int) {
	var keep []int
	asked := map[string]int{}
	for i, s := range b.scene.Steps {
		if s.Ask.IsZero() {
			continue
		}
		if b.asks == "every step" || b.asks != "never" && b.keys[i] > 0 {
			keep = append(keep, i)
		}
	}
	if b.asks != "every step" && len(keep) > most {
		rank := map[int]int{}
		for _, i := range keep {
			id := b.scene.Steps[i].Ask.Message.ID
			if rank[i] = 100*asked[id] - b.keys[i]; b.keys[i] == theirs {
				rank[i] = -theirs
			}
			asked[id]++
		}
		slices.SortStableFunc(keep, func(x, y int) int { return rank[x] - rank[y] })
		keep = keep[:most]
	}
	for i := range b.scene.Steps {
		if !slices.Contains(keep, i) {
			b.scene.Steps[i] = told(b.scene.Steps[i])
		}
	}
}

// theirs is the weight of a question that is the class's own: it is always kept.
const theirs = 3

// yourTurn leaves the end of an example to the class: the last step of its work, before it
// is checked.
func (b *builder) yourTurn() {
	for i := len(b.scene.Steps) - 1; i >= 0; i-- {
		s := &b.scene.Steps[i]
		if len(s.Moves) == 0 || s.Asks == say.Check {
			continue
		}
		if s.Ask.IsZero() {
			s.Ask, s.Asks, s.Answer, s.Say = line("turn.ask"), say.Decide, s.Say, line("turn.yours")
		} else {
			s.Say.Message = say.New("turn.yours").And(s.Say.Message)
		}
		b.keys[i] = theirs
		return
	}
}

// told is a step that tells what it would have asked.
func told(s lesson.Step) lesson.Step {
	if s.Ask.IsZero() {
		return s
	}
	s.Say.Message = s.Say.Message.And(s.Answer.Message.Told())
	if s.Asks == say.Say && s.Focus == nil {
		s.Focus = &lesson.Focus{} // a sentence that tells all that was done is about all that lies there
	}
	s.Ask, s.Asks, s.Answer = say.Line{}, "", say.Line{}
	return s
}
