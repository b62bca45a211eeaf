// Package mistake holds what children do wrong: for a problem, the answer that each faulty
// procedure gives, what it is called, and a question that lets a child see it. A rule that
// gives the right answer has not shown itself, and says nothing.
package mistake

import (
	"slices"

	"unitbloom/core/say"
)

// Problem is what a child works: the method of a worked example, with its arguments.
type Problem struct {
	Method string
	Args   []string
}

// Slip is a wrong answer with the procedure that gives it.
type Slip struct {
	// ID is the rule's, with its kind after a slash where a rule has several.
	ID     string
	Answer string
	// Name completes "as if …". Ask is the question for the child, never the answer.
	Name, Ask say.Message
}

// Rule is one faulty procedure.
type Rule struct {
	ID string
	// Methods are those whose problems can show it.
	Methods []string
	// find gives its answers for a problem, and nothing where it cannot be followed.
	find func(Problem) []found
}

// found is an answer that a rule gives: which kind of the rule, and what its question needs.
type found struct {
	kind, answer string
	values       []say.Value
}

// Rules lists the mistakes that are known.
func Rules() []Rule { return rules }

var rules = slices.Concat(subtraction, addition, aligned, written, facts, shared)

var signs = []string{"+", "-", "−", "–", "×", "x", "*", "÷", "/", ":"}

// Slips are the wrong answers that known mistakes give to a problem. Every rule that gives
// one is told: some answers fit two.
func Slips(p Problem) []Slip {
	// A problem as it is typed has its sign between its numbers.
	p.Args = slices.DeleteFunc(slices.Clone(p.Args), func(a string) bool { return slices.Contains(signs, a) })
	var all []Slip
	for _, r := range rules {
		if !slices.Contains(r.Methods, p.Method) {
			continue
		}
		for _, f := range r.find(p) {
			id := r.ID
			if f.kind != "" {
				id += "/" + f.kind
			}
			all = append(all, Slip{id, f.answer, say.New("mistake." + id), say.New("mistake."+r.ask(f), f.values...)})
		}
	}
	return all
}

// ask is the message that asks about what was found: the rule's, or that of its kind.
func (r Rule) ask(f found) string {
	if id := r.ID + "/" + f.kind + ".ask"; say.Says("mistake." + id) {
		return id
	}
	return r.ID + ".ask"
}

// Of are the mistakes that give an answer to a problem.
func Of(p Problem, answer string) []Slip {
	return slices.DeleteFunc(Slips(p), func(s Slip) bool { return s.Answer != answer })
}

// other is an answer unless it is the right one.
func other(kind, answer, right string, values ...say.Value) []found {
	if answer == "" || answer == right {
		return nil
	}
	return []found{{kind, answer, values}}
}
