package mistake

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// numberOf is the whole number of a problem that says, builds or shows one, and the counts of
// the pieces that show it.
func numberOf(p Problem) (n int, form place.UnitForm, ok bool) {
	if p.Method == "read" {
		b, err := board.Parse(strings.Join(p.Args, " "))
		if err != nil || len(b.Models) != 1 {
			return 0, nil, false
		}
		n, ok = board.Total(b.Models[0]).Whole()
		return n, b.Models[0].InPlay(), ok
	}
	if len(p.Args) != 1 {
		return 0, nil, false
	}
	written, err := place.Parse(p.Args[0])
	if err != nil {
		return 0, nil, false
	}
	n, ok = written.Whole()
	return n, written.UnitForm(), ok
}

var written = []Rule{
	{"written-as-heard", []string{"build"}, func(p Problem) []found {
		n, _, ok := numberOf(p)
		if !ok || n < 100 || n > 9999 {
			return nil
		}
		top := say.PlaceName("place", place.Int(n).Top())
		heard := func(parts ...int) string {
			var b strings.Builder
			for _, part := range parts {
				if part > 0 {
					b.WriteString(strconv.Itoa(part))
				}
			}
			return b.String()
		}
		thousands, hundreds := n/1000*1000, n%1000/100*100
		whole := heard(thousands, hundreds, n%100)
		all := other("together", whole, strconv.Itoa(n), top)
		if apart := heard(thousands, hundreds, n%100/10*10, n%10); apart != whole {
			all = append(all, other("apart", apart, strconv.Itoa(n), top)...)
		}
		return all
	}},
	{"zero-left-out", []string{"read", "build", "share"}, func(p Problem) []found {
		n, rest := 0, ""
		if p.Method == "share" {
			s, ok := sharingOf(p)
			if !ok {
				return nil
			}
			n, rest = s.n/s.by, remainder(s.n%s.by)
		} else {
			number, _, ok := numberOf(p)
			if !ok {
				return nil
			}
			n = number
		}
		text := strconv.Itoa(n)
		right := text + rest
		end := len(strings.TrimRight(text, "0"))
		inside := strings.ReplaceAll(text[:end], "0", "") + text[end:]
		all := other("inside", inside+rest, right)
		if every := strings.ReplaceAll(text, "0", ""); every != inside && every != "" {
			all = append(all, other("every", every+rest, right)...)
		}
		return all
	}},
	{"digits-swapped", []string{"read", "build", "teens"}, func(p Problem) []found {
		n, _, ok := numberOf(p)
		if !ok || n < 10 {
			return nil
		}
		swapped := n/100*100 + n%10*10 + n%100/10
		return other("", strconv.Itoa(swapped), strconv.Itoa(n))
	}},
	{"counts-side-by-side", []string{"read"}, func(p Problem) []found {
		n, form, ok := numberOf(p)
		if !ok || !slices.ContainsFunc(form, func(c place.Count) bool { return c.Count >= 10 }) || len(form) < 2 {
			return nil
		}
		var b strings.Builder
		for at := form[0].Place; at >= place.Ones; at-- {
			b.WriteString(strconv.Itoa(form.Of(at)))
		}
		return other("", b.String(), strconv.Itoa(n))
	}},
	{"pieces-alike", []string{"read"}, func(p Problem) []found {
		n, form, ok := numberOf(p)
		if !ok {
			return nil
		}
		return other("", strconv.Itoa(form.Pieces()), strconv.Itoa(n))
	}},
	{"longer-is-larger", []string{"compare"}, longerIsLarger},
}

// longerIsLarger reads what follows the points as whole numbers.
func longerIsLarger(p Problem) []found {
	if len(p.Args) != 2 {
		return nil
	}
	a, errA := place.Parse(p.Args[0])
	b, errB := place.Parse(p.Args[1])
	if errA != nil || errB != nil || a.Count(place.Ones) != b.Count(place.Ones) || a.Decimals == 0 || b.Decimals == 0 {
		return nil
	}
	part := func(w place.Written) int {
		_, digits, _ := strings.Cut(w.String(), ".")
		n, _ := strconv.Atoi(digits)
		return n
	}
	sign := func(by int) string {
		return a.String() + " " + string("<=>"[by+1]) + " " + b.String()
	}
	wrong := 0
	switch x, y := part(a), part(b); {
	case x < y:
		wrong = -1
	case x > y:
		wrong = 1
	}
	first := place.Tenths
	for first > place.Smallest && a.Digit(first) == b.Digit(first) {
		first--
	}
	return other("", sign(wrong), sign(a.Cmp(b.Number)), say.PlaceName("place", first))
}
