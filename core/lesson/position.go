package lesson

import (
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/say"
)

// Phase is how far a step that asks something has come before it is over.
type Phase string

// The phases. A step that asks nothing has none: it is made in one.
const (
	// Rest is between steps: nothing of the next one was said yet.
	Rest Phase = ""
	// Asked: said and asked. Where the pieces move first, they have moved.
	Asked Phase = "asked"
	// Moved: the pieces answer the question, and nobody has said it yet.
	Moved Phase = "moved"
	// Answered: the answer is said, and nothing is done yet.
	Answered Phase = "answered"
)

// Position is where a lesson is: so many steps of a scene are over, and the next one
// is in a phase.
type Position struct {
	Scene string `json:"scene"`
	Step  int    `json:"step"`
	Phase Phase  `json:"phase,omitempty"`
}

// Phases are those that a step goes through before it is over.
func (s Step) Phases() []Phase {
	switch {
	case s.Ask.IsZero():
		return nil
	case len(s.Moves) == 0 || s.Asks.MovesFirst():
		return []Phase{Asked}
	case s.Asks == say.Predict:
		return []Phase{Asked, Moved}
	}
	return []Phase{Asked, Answered}
}

// fromRest are the phases with the rest before them.
func (s Step) fromRest() []Phase { return append([]Phase{Rest}, s.Phases()...) }

// Made reports whether the step's moves are made in a phase of it.
func (s Step) Made(p Phase) bool { return p == Moved || p != Rest && s.Asks.MovesFirst() }

// Open reports whether a question of the step stands unanswered.
func (p Phase) Open() bool { return p == Asked || p == Moved }

// BoardAt is the scene's board after its first n steps, in a phase of the next.
func (s Scene) BoardAt(n int, p Phase) board.Board {
	b, fits := s.At(n)
	if fits < n || n >= len(s.Steps) || !s.Steps[n].Made(p) {
		return b
	}
	if next, err := board.ApplyAll(b, s.Steps[n].Moves); err == nil {
		return next
	}
	return b
}

// Next is the position after one press forward: the next phase, the next step, the
// next scene. At the end of the lesson it is the same.
func (l Lesson) Next(p Position) Position {
	sc, i := l.Scene(p.Scene)
	switch {
	case i < 0:
		return p
	case p.Step < len(sc.Steps):
		phases := sc.Steps[p.Step].fromRest()
		if at := indexOf(phases, p.Phase) + 1; at < len(phases) {
			return Position{p.Scene, p.Step, phases[at]}
		}
		return Position{Scene: p.Scene, Step: p.Step + 1}
	case i+1 < len(l.Scenes):
		return Position{Scene: l.Scenes[i+1].ID}
	}
	return p
}

// Before is the position from which Next comes to this one. At the beginning of the
// lesson it is the same.
func (l Lesson) Before(p Position) Position {
	sc, i := l.Scene(p.Scene)
	switch {
	case i < 0:
		return p
	case p.Phase != Rest && p.Step < len(sc.Steps):
		phases := sc.Steps[p.Step].fromRest()
		return Position{p.Scene, p.Step, phases[max(0, indexOf(phases, p.Phase)-1)]}
	case p.Step > 0:
		phases := sc.Steps[p.Step-1].fromRest()
		return Position{p.Scene, p.Step - 1, phases[len(phases)-1]}
	case i > 0:
		return Position{Scene: l.Scenes[i-1].ID, Step: len(l.Scenes[i-1].Steps)}
	}
	return p
}

// indexOf is where a phase stands among those of a step; one that the step does not
// have counts as its last.
func indexOf(phases []Phase, p Phase) int {
	if at := slices.Index(phases, p); at >= 0 {
		return at
	}
	return len(phases) - 1
}
