package method

import (
	"fmt"
	"maps"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/chance"
	"unitbloom/core/model/pieces"
	"unitbloom/core/say"
)

// tries is how many problems are drawn before it is said that there is no other.
const tries = 4000

// lenient is the draw from which on less has to be alike.
const lenient = 3000

// Parallel gives another problem like one that works: the same method, as many
// digits, zeros inside where they were, and regroupings in the same places; but
// other numbers. The same seed gives the same problem.
func Parallel(r Request, seed uint64) (Request, error) {
	e, err := Make(r)
	if err != nil {
		return r, err
	}
	spec, err := Find(r.Method)
	if err != nil {
		return r, err
	}
	like := signature(e)
	r.Model = e.Scene.Made.Model
	// What children saw was in this problem.
	r.Options = maps.Clone(r.Options)
	delete(r.Options, seenOption.Name)
	draw := chance.Source(seed)
	for try := range tries {
		next := r
		if spec.redraw != nil {
			next.Args = spec.redraw(r.Args, draw)
		} else {
			next.Args = each(redrawn)(r.Args, draw)
		}
		if strings.Join(next.Args, " ") == strings.Join(r.Args, " ") {
			continue
		}
		// Where no other numbers are alike, one may stand again, as in 20 − 8 for 20 − 3, and two need
		// not be equal: 4 + 6 for 5 + 5.
		again := spec.redraw == nil && sameNumber(next.Args, r.Args)
		if try < lenient && (again || !spec.alikeArgs(next.Args, r.Args)) {
			continue
		}
		if other, err := Make(next); err == nil && signature(other) == like {
			return next, nil
		}
	}
	return r, say.Refuse("no-parallel")
}

// alikeArgs reports whether numbers stand to one another as others do: equal where those are,
// and a single one, to multiply or divide by, where they have one.
func (s Spec) alikeArgs(a, b []string) bool {
	multiplies := strings.ContainsAny(s.Signs, "×÷")
	one := func(text string) bool { return strings.Trim(text, "0.") == "1" }
	for i := range a {
		if multiplies && one(a[i]) != one(b[i]) {
			return false
		}
		for j := range i {
			if (a[i] == a[j]) != (b[i] == b[j]) {
				return false
			}
		}
	}
	return true
}

// each draws the arguments of a problem anew, one by one.
func each(other func(arg string, draw func(int) int) string) func([]string, func(int) int) []string {
	return func(args []string, draw func(int) int) []string {
		out := make([]string, len(args))
		for i, a := range args {
			out[i] = other(a, draw)
		}
		return out
	}
}

// sameNumber reports whether any number of the one stands in the other's place:
// the class shall not see it again. Powers of ten belong to the method.
func sameNumber(a, b []string) bool {
	for i := range a {
		if a[i] == b[i] && strings.ContainsAny(a[i], "23456789") {
			return true
		}
	}
	return false
}

// redrawn is a text with its digits drawn anew: as many, a 0 stays a 0, the first
// and the others do not become one. Powers of ten stay, as in a change by 10.
func redrawn(text string, draw func(int) int) string {
	return withNumbers(text, func(at int, number string) string {
		if front := strings.Trim(number, "0"); front == "1" && (number != "1" || at > 0) || front == "" {
			return number
		}
		return strings.Map(func(d rune) rune {
			if d != '0' {
				d = rune('1' + draw(9))
			}
			return d
		}, number)
	})
}

// withNumbers is a text with others for its numbers, each told with where it begins.
func withNumbers(text string, other func(at int, number string) string) string {
	var b strings.Builder
	for i := 0; i < len(text); {
		end := i
		for end < len(text) && text[end] >= '0' && text[end] <= '9' {
			end++
		}
		if end == i {
			b.WriteByte(text[i])
			i++
			continue
		}
		b.WriteString(other(i, text[i:end]))
		i = end
	}
	return b.String()
}

// signature is what makes two problems alike: their regroupings by place, how
// long they are, and the way that was gone.
func signature(e Example) string {
	var b strings.Builder
	fmt.Fprintf(&b, "%d:%s", len(e.Scene.Made.Answer), e.like)
	last := ""
	for _, s := range e.Scene.Steps {
		for _, mv := range s.Moves {
			now := ""
			switch args := mv.Args.(type) {
			case pieces.BundleArgs:
				now = fmt.Sprintf("b%d", args.Place)
			case pieces.UnbundleArgs:
				now = fmt.Sprintf("u%d", args.Place)
			}
			if now != "" && now != last {
				b.WriteString(now) // how many tens are made of one place is another matter
				last = now
			}
		}
	}
	b.WriteString(crossings(e))
	return b.String()
}

// crossings tells where a chain of single steps crosses a ten.
func crossings(e Example) string {
	var b strings.Builder
	now := e.Scene.Start
	for _, s := range e.Scene.Steps {
		for _, mv := range s.Moves {
			next, effect, err := board.Apply(now, mv)
			if err != nil {
				return b.String()
			}
			if mv.Kind == "step" {
				fmt.Fprintf(&b, "%d", len(effect.Stages))
			}
			now = next
		}
	}
	return b.String()
}
