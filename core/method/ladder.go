// A set of problems of rising difficulty: each is one step harder in one respect.

package method

import (
	"cmp"
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/chance"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

// Rung is a problem of a set. Harder tells what is more than in the one before: a digit,
// a zero, a regrouping, a remainder; empty for the first, and where nothing is.
type Rung struct {
	Request
	Harder say.Message
}

// hardness is how hard a problem is in each respect.
type hardness struct{ digits, zeros, bundlings, unbundlings, remainders int }

// over tells the one respect in which a is one step harder than b and alike in the
// others; ok is false where there is no such, or more.
func (a hardness) over(b hardness) (id string, ok bool) {
	switch (hardness{a.digits - b.digits, a.zeros - b.zeros, a.bundlings - b.bundlings, a.unbundlings - b.unbundlings,
		a.remainders - b.remainders}) {
	case hardness{digits: 1}:
		return "harder.digit", true
	case hardness{zeros: 1}:
		return "harder.zero", true
	case hardness{bundlings: 1}:
		return "harder.regrouping", true
	case hardness{unbundlings: 1}:
		return "harder.unbundling", true
	case hardness{remainders: 1}:
		return "harder.remainder", true
	}
	return "", false
}

func hardnessOf(e Example) hardness {
	var h hardness
	for _, a := range e.Scene.Made.Args {
		digits := strings.Trim(a, "+-−×÷xX*/ ")
		if !strings.ContainsAny(digits, "0123456789") {
			continue
		}
		h.digits = max(h.digits, len(strings.NewReplacer(".", "", " ", "").Replace(digits)))
		// 10 − 4 is not harder than 13 − 8.
		if plain := strings.ReplaceAll(digits, " ", ""); len(plain) > 2 || e.Scene.Made.Method == columnSubtract.ID {
			h.zeros += strings.Count(plain, "0")
		}
	}
	has := func(s lesson.Step, kind string) int {
		if slices.ContainsFunc(s.Moves, func(mv board.Move) bool { return mv.Kind == kind }) {
			return 1
		}
		return 0
	}
	for _, s := range e.Scene.Steps {
		h.bundlings += has(s, "bundle")
		h.unbundlings += has(s, "unbundle")
	}
	if strings.Contains(e.Scene.Made.Answer, "remainder") {
		h.remainders = 1
	}
	return h
}

// Ladder is a set of n problems of rising difficulty, the first like the one given. Each
// is one step harder in one respect as long as there is such a problem, and then like the
// one before. The same seed gives the same set.
func Ladder(r Request, n int, seed uint64) ([]Rung, error) {
	first, err := Parallel(r, seed)
	if err != nil {
		return nil, err
	}
	set := []Rung{{Request: first}}
	seen := map[string]bool{strings.Join(first.Args, " "): true}
	draw := chance.Source(seed + 1)
	for len(set) < n {
		last := set[len(set)-1].Request
		next, ok := harder(last, seen, draw)
		if !ok {
			for try := range uint64(20) {
				like, err := Parallel(last, seed+uint64(len(set))*31+try)
				if err != nil {
					return nil, err
				}
				if !seen[strings.Join(like.Args, " ")] {
					next = Rung{Request: like}
					break
				}
			}
		}
		if next.Method == "" {
			break // there are no more
		}
		seen[strings.Join(next.Args, " ")] = true
		set = append(set, next)
	}
	return set, nil
}

// harder draws a problem that is one step harder than another.
func harder(r Request, seen map[string]bool, draw func(int) int) (Rung, bool) {
	e, err := Make(r)
	if err != nil {
		return Rung{}, false
	}
	spec, err := Find(r.Method)
	if err != nil {
		return Rung{}, false
	}
	was := hardnessOf(e)
	for range 600 {
		next := r
		next.Args = make([]string, len(r.Args))
		for i, a := range r.Args {
			next.Args[i] = grown(a, draw)
		}
		if seen[strings.Join(next.Args, " ")] || !spec.alikeArgs(next.Args, r.Args) || !alikeLong(next.Args, r.Args) {
			continue
		}
		other, err := Make(next)
		if err != nil {
			continue
		}
		if id, ok := hardnessOf(other).over(was); ok {
			return Rung{next, say.New(id)}, true
		}
	}
	return Rung{}, false
}

// alikeLong reports whether two numbers that are as long as one another, or one of them longer, still
// are. Powers of ten belong to the method.
func alikeLong(a, b []string) bool {
	number := func(text string) bool { return !isSign(text) && !isPower(text) }
	first := slices.IndexFunc(b, number)
	last := len(b) - 1
	if first < 0 || first == last || !number(b[last]) || slices.ContainsFunc(b[first+1:last], number) {
		return true // not two
	}
	return cmp.Compare(len(a[first]), len(a[last])) == cmp.Compare(len(b[first]), len(b[last]))
}

// grown is a whole number drawn anew, with as many digits or one more, any of them but the
// first a 0 now and then. What is no whole number stays, and so does one digit.
func grown(text string, draw func(int) int) string {
	plain := strings.ReplaceAll(text, " ", "")
	if _, err := strconv.Atoi(plain); err != nil || len(plain) == 1 {
		return redrawn(text, draw)
	}
	n := len(plain) + draw(2)
	var b strings.Builder
	for i := range n {
		if d := draw(12); i > 0 && d < 2 {
			b.WriteByte('0')
		} else {
			b.WriteByte(byte('1' + draw(9)))
		}
	}
	return b.String()
}
