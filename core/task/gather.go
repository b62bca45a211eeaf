// What a class handed in of a task, by what was answered: the next five minutes of a teacher.

package task

import (
	"cmp"
	"slices"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/mistake"
	"unitbloom/core/say"
)

// Handed is one child's answer to her task, under a name that the caller knows it by.
type Handed struct {
	Who string
	// Children is how many did it together; one when left out.
	Children int
	Task     Task
	Answer   Answer
}

// What may be done next with children who answered alike.
const (
	GoOn    = "go on"
	AskThem = "ask"
	Another = "another"
	SitWith = "sit with"
	ReadIt  = "read"
)

// Group is children who answered alike.
type Group struct {
	// Key tells groups apart; it stays while others come.
	Key string `json:"key"`
	// Lines is the answer as it is read, Boards what was laid, in notation, and Shows what the
	// first of them is worth: of the one who handed in first.
	Lines  []string `json:"lines"`
	Boards []string `json:"boards"`
	Shows  string   `json:"shows,omitempty"`
	// Columns is how the first of them worked a written method.
	Columns []FaceLine `json:"columns,omitempty"`
	// Of is the first one's problem, where children have numbers of their own.
	Of string `json:"of,omitempty"`
	// Right is the whole verdict; Value alone whether what is shown or written is worth what
	// was asked for. Unmet is the condition that is not met then.
	Right bool   `json:"right"`
	Value bool   `json:"value"`
	Unmet string `json:"unmet,omitempty"`
	// As completes "as if …" for each known mistake that gives it.
	As []string `json:"as"`
	// Next is what may be done, and Ask the question to go with it.
	Next string   `json:"next"`
	Ask  string   `json:"ask,omitempty"`
	Who  []string `json:"who"`
	// Children is how many they are: several may have done it together.
	Children int `json:"children"`
}

// Told is a mistake that shows in what was handed in: N children of the Of whose problem could show it.
type Told struct {
	ID string `json:"id"`
	As string `json:"as"`
	N  int    `json:"n"`
	Of int    `json:"of"`
}

// aHabit is how many children, or answers, tell a mistake from a chance.
const aHabit = 2

// Gather puts what was handed in of a task, first come first, into groups of alike answers. Where
// children have numbers of their own, those are alike of which the same can be said.
func Gather(handed []Handed, own bool, w say.Vocabulary) ([]Group, []Told, error) {
	var groups []Group
	counts, could := map[string]int{}, map[string]int{}
	names := map[string]string{}
	for _, h := range handed {
		v, err := Mark(h.Task, h.Answer, w)
		if err != nil {
			return nil, nil, err
		}
		did, t, err := open(h.Task)
		if err != nil {
			return nil, nil, err
		}
		children := max(1, h.Children)
		p, _ := did.problem(h.Answer)
		shown := map[string]bool{}
		for _, s := range mistake.Slips(p) {
			if !shown[s.ID] {
				shown[s.ID], names[s.ID] = true, s.Name.Phrase(w)
				could[s.ID] += children
			}
		}
		for _, s := range v.Mistakes {
			counts[s.ID] += children
		}
		key := keyOf(did, h.Answer, w)
		if spec, err := Find(t.Kind); own || err == nil && spec.Free {
			key = sayable(v)
		}
		at := slices.IndexFunc(groups, func(g Group) bool { return g.Key == key })
		if at < 0 {
			at = len(groups)
			groups = append(groups, newGroup(key, did, t, h.Answer, v, w))
			if own {
				groups[at].Of = did.face(w).Of
			}
		}
		groups[at].Who = append(groups[at].Who, h.Who)
		groups[at].Children += children
	}
	told := []Told{}
	for id, n := range counts {
		if n >= aHabit {
			told = append(told, Told{id, names[id], n, could[id]})
		}
	}
	slices.SortFunc(told, func(a, b Told) int { return cmp.Or(b.N-a.N, strings.Compare(a.ID, b.ID)) })
	return groups, told, nil
}

func newGroup(key string, did work, t Task, a Answer, v Verdict, w say.Vocabulary) Group {
	g := Group{Key: key, Lines: linesOf(did, t, a, w), Boards: []string{}, Columns: columnsOf(did, a, w), Right: v.Right,
		Value: true, As: []string{}}
	for _, b := range did.face(w).Blanks {
		if b.Gives == OnBoard && a[b.ID] != "" {
			g.Boards = append(g.Boards, a[b.ID])
			if shown, err := board.Parse(a[b.ID]); err == nil && len(shown.Models) == 1 {
				g.Shows = cmp.Or(g.Shows, w.Spell(board.Total(shown.Models[0]).String()))
			}
		}
	}
	for _, part := range v.Parts {
		if !part.Right && part.What == "" {
			g.Value = false
		}
		if !part.Right {
			g.Unmet = cmp.Or(g.Unmet, part.What)
		}
	}
	for _, s := range v.Mistakes {
		g.As = append(g.As, s.As)
	}
	spec, _ := Find(t.Kind)
	switch {
	case v.Right && spec.Teacher:
		g.Next = ReadIt
	case v.Right:
		g.Next = GoOn
	case g.Value:
		g.Next, g.Ask = AskThem, v.Hint
	case len(v.Mistakes) > 0:
		g.Next, g.Ask = Another, v.Mistakes[0].Ask
	default:
		g.Next = SitWith
	}
	return g
}

// keyOf is the same for answers that a teacher would call the same: boards with as many pieces
// of each place, texts that are written alike.
func keyOf(did work, a Answer, w say.Vocabulary) string {
	var parts []string
	for _, b := range did.face(w).Blanks {
		text := strings.ToLower(strings.Join(strings.Fields(w.Plain(a[b.ID])), " "))
		if shown, err := board.Parse(a[b.ID]); b.Gives == OnBoard && err == nil && len(shown.Models) == 1 {
			text = shown.Models[0].InPlay().String()
		}
		parts = append(parts, text)
	}
	return strings.Join(parts, "\x1f")
}

// sayable is what can be said of an answer without its numbers.
func sayable(v Verdict) string {
	if v.Right {
		return "right"
	}
	if len(v.Mistakes) > 0 {
		return v.Mistakes[0].ID
	}
	for _, p := range v.Parts {
		if !p.Right && p.What != "" {
			return "unmet " + p.What
		}
	}
	return "other"
}
