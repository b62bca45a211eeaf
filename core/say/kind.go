package say

import "strings"

// Kind says what a question is to the pieces: whether they answer it or are asked
// about, and so whether they move before it or after.
type Kind string

// The kinds. Predict and Decide are asked before the pieces move, the others after.
const (
	// Predict is answered by the pieces: will the ones make a ten?
	Predict Kind = "predict"
	// Decide is answered in words, and then done: 2 ones, and 7 must go; what can we do?
	Decide Kind = "decide"
	// Look is about what lies there now: what do you see without counting?
	Look Kind = "look"
	// Say asks for the words or the sentence of what was done.
	Say Kind = "say"
	// Explain asks how or why.
	Explain Kind = "explain"
	// Check is asked when the pieces have moved another way: we push 5 back; where are we?
	Check Kind = "check"
)

// Kinds lists the kinds in the order in which a teacher chooses among them.
func Kinds() []Kind { return []Kind{Predict, Decide, Look, Say, Explain, Check} }

// MovesFirst reports whether the pieces move before the question is asked.
func (k Kind) MovesFirst() bool { return k == Look || k == Say || k == Explain || k == Check }

// KindOf is the kind of a question of the catalogue, where it stands in brackets before
// the question; empty for anything else.
func KindOf(id string) Kind {
	if kind, _, ok := strings.Cut(catalogue[id], "] "); ok && kind[0] == '[' {
		return Kind(kind[1:])
	}
	return ""
}

// glimpses are the questions about what is seen without counting.
var glimpses = map[string]bool{"facts.see": true}

// IsGlimpse reports whether a question is about what is seen at a glance, so that the pieces
// are to be looked at and not counted.
func IsGlimpse(ask Message) bool { return glimpses[ask.ID] }
