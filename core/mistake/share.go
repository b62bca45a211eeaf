package mistake

import (
	"strconv"

	"unitbloom/core/place"
	"unitbloom/core/say"
)

// sharing is a number shared among so many.
type sharing struct{ n, by int }

func sharingOf(p Problem) (sharing, bool) {
	a, ok := whole(p.Args)
	if !ok || len(a) != 2 || a[1] == 0 {
		return sharing{}, false
	}
	return sharing{a[0], a[1]}, true
}

// remainder is what follows a quotient.
func remainder(left int) string {
	if left == 0 {
		return ""
	}
	return " remainder " + strconv.Itoa(left)
}

var shared = []Rule{{"left-over-dropped", []string{"share"}, func(p Problem) []found {
	s, ok := sharingOf(p)
	if !ok {
		return nil
	}
	digits := strconv.Itoa(s.n)
	// The shortest leading part that there is enough of, then each digit alone.
	lead, i := 0, 0
	for ; i < len(digits) && lead < s.by; i++ {
		lead = lead*10 + int(digits[i]-'0')
	}
	quotient, left := strconv.Itoa(lead/s.by), lead%s.by
	lost, at := 0, place.Ones
	for ; i < len(digits); i++ {
		if left > 0 && lost == 0 {
			lost, at = left, place.Ones+place.Place(len(digits)-i)
		}
		digit := int(digits[i] - '0')
		quotient += strconv.Itoa(digit / s.by)
		left = digit % s.by
	}
	if lost == 0 {
		return nil
	}
	return other("", quotient+remainder(left), strconv.Itoa(s.n/s.by)+remainder(s.n%s.by),
		say.Pieces("left", say.Given, lost, at))
}}}
