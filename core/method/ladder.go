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
// a zero, a regrouping, a remainder, or what else its method knows to be harder; empty for the
// first, and where nothing is.
type Rung struct {
	Request
	Harder say.Message
}

// hardness is how hard a problem is in each respect, by the id of the sentence that tells of
// one step more.
type hardness map[string]int

// over tells the one respect in which a is one step harder than b and alike in the
// others; ok is false where there is no such, or more.
func (a hardness) over(b hardness) (id string, ok bool) {
	for respect := range a {
		switch a[respect] - b[respect] {
		case 0:
		case 1:
			if ok {
				return "", false
			}
			id, ok = respect, true
		default:
			return "", false
		}
	}
	return id, ok
}

// under reports whether a is easier than b in any respect.
func (a hardness) under(b hardness) bool {
	for respect, n := range b {
		if a[respect] < n {
			return true
		}
	}
	return false
}

func (a hardness) sum() int {
	sum := 0
	for _, n := range a {
		sum += n
	}
	return sum
}

// hardnessOf is what the method says of its problem; of numbers that are worked place by
// place, what is written and what is done.
func hardnessOf(e Example) hardness {
	if e.hard != nil {
		return e.hard
	}
	h := writtenHardness(e.Scene.Made.Args, e.Scene.Made.Method == columnSubtract.ID)
	h["harder.regrouping"], h["harder.unbundling"], h["harder.remainder"] = 0, 0, 0
	has := func(s lesson.Step, kind string) int {
		if slices.ContainsFunc(s.Moves, func(mv board.Move) bool { return mv.Kind == kind }) {
			return 1
		}
		return 0
	}
	for _, s := range e.Scene.Steps {
		h["harder.regrouping"] += has(s, "bundle")
		h["harder.unbundling"] += has(s, "unbundle")
	}
	if strings.Contains(e.Scene.Made.Answer, "remainder") {
		h["harder.remainder"] = 1
	}
	return h
}

// writtenHardness is how long the longest of some numbers is, and how many zeros they have. 10 − 4 is not harder
// than 13 − 8, so numbers of two digits have none but where they are counted too.
func writtenHardness(numbers []string, two bool) hardness {
	h := hardness{"harder.digit": 0, "harder.zero": 0}
	for _, a := range numbers {
		plain := strings.ReplaceAll(strings.Trim(a, "+-−×÷xX*/ "), " ", "")
		if !strings.ContainsAny(plain, "0123456789") {
			continue
		}
		h["harder.digit"] = max(h["harder.digit"], len(strings.ReplaceAll(plain, ".", "")))
		if len(plain) > 2 || two {
			h["harder.zero"] += strings.Count(plain, "0")
		}
	}
	return h
}

// tableOf tells when a table is learned: those of 1, 2, 5 and 10 first.
func tableOf(n int) int {
	switch n {
	case 0, 1, 2, 5, 10:
		return 0
	case 3, 4, 8:
		return 1
	}
	return 2
}

// tablesHardness is what makes a product of two numbers to 12 harder: the table that its easier
// number is of.
func tablesHardness(a, b int) hardness {
	return hardness{"harder.table": min(tableOf(a), tableOf(b))}
}

// factHardness is what makes a sum to 20 harder: that it goes through ten, how far the larger
// number is from ten then, how much is counted on, and that the smaller number comes first.
func factHardness(a, b int) hardness {
	h := hardness{"harder.through-ten": 0, "harder.from-ten": 0, "harder.count-on": min(a, b, 3), "harder.turned": 0}
	if a+b > 10 && max(a, b) < 10 {
		h["harder.through-ten"], h["harder.from-ten"] = 1, 9-max(a, b)
	}
	if a < b {
		h["harder.turned"] = 1
	}
	return h
}

// numbersTo draws each number of a problem anew, from 1 to its most.
func numbersTo(most ...int) func([]string, func(int) int) []string {
	return func(args []string, draw func(int) int) []string {
		out, at := slices.Clone(args), 0
		for i, a := range args {
			if _, err := strconv.Atoi(a); err == nil && at < len(most) {
				out[i] = strconv.Itoa(1 + draw(most[at]))
				at++
			}
		}
		return out
	}
}

// Ladder is a set of n problems of rising difficulty, the first like the one given. Each
// is one step harder in one respect as long as there is such a problem; then like the
// one before, and no easier while there is one. The same seed gives the same set.
func Ladder(r Request, n int, seed uint64) ([]Rung, error) {
	first, err := Parallel(r, seed)
	if err != nil {
		return nil, err
	}
	spec, err := Find(r.Method)
	if err != nil {
		return nil, err
	}
	l := ladder{spec: spec, set: []Rung{{Request: first}}, draw: chance.Source(seed + 1),
		seen: map[string]bool{strings.Join(first.Args, " "): true, strings.Join(r.Args, " "): true}}
	for len(l.set) < n {
		last := l.set[len(l.set)-1].Request
		e, err := Make(last)
		if err != nil {
			return nil, err
		}
		if len(l.set) == 1 {
			l.digits = hardnessOf(e)["harder.digit"] + moreDigits
		}
		next, ok := l.above(last, hardnessOf(e), seed+uint64(len(l.set))*31)
		if !ok {
			break // there are no more
		}
		l.seen[strings.Join(next.Args, " ")] = true
		l.set = append(l.set, next)
	}
	return l.set, nil
}

// ladder is a set that is being made.
type ladder struct {
	spec Spec
	set  []Rung
	seen map[string]bool // problems, by their arguments
	draw func(int) int
	// digits is how many a problem may have.
	digits int
}

// moreDigits is how many more digits the last problem of a set may have than its first: a class that compares
// hundreds does not end with millions.
const moreDigits = 2

// drawn is how many problems are tried for one that is harder: each is made, and the class waits.
const drawn = 200

// above is the next problem: one step harder than another that is so hard, or as good as can be.
func (l ladder) above(r Request, was hardness, seed uint64) (Rung, bool) {
	var noEasier, others []Rung
	least := 0 // how much harder that one is, in all
	for range drawn {
		next, ok := l.draws(r)
		if !ok {
			continue
		}
		e, err := Make(next)
		if err != nil {
			continue
		}
		is := hardnessOf(e)
		if is["harder.digit"] > l.digits {
			continue
		}
		if id, ok := is.over(was); ok {
			return Rung{next, say.New(id)}, true
		}
		if rise := is.sum() - was.sum(); !is.under(was) && (len(noEasier) == 0 || rise < least) {
			noEasier, least = []Rung{{Request: next}}, rise
		}
	}
	if len(noEasier) > 0 && least == 0 {
		return noEasier[0], true // just as hard in every respect
	}
	for try := range uint64(6) {
		like, err := Parallel(r, seed+try)
		if err != nil {
			break
		}
		if l.seen[strings.Join(like.Args, " ")] {
			continue
		}
		e, err := Make(like)
		if err == nil && !hardnessOf(e).under(was) {
			return Rung{Request: like}, true
		}
		others = append(others, Rung{Request: like})
	}
	if best := append(noEasier, others...); len(best) > 0 {
		return best[0], true
	}
	return Rung{}, false
}

// draws gives a problem that may be harder than another, and is none of the set.
func (l ladder) draws(r Request) (Request, bool) {
	next, grow := r, l.spec.grow
	if grow == nil {
		grow = each(grown)
	}
	next.Args = grow(r.Args, l.draw)
	return next, !l.seen[strings.Join(next.Args, " ")] && l.spec.alikeArgs(next.Args, r.Args) &&
		alikeLong(next.Args, r.Args)
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
