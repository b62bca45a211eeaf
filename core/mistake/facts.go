package mistake

import (
	"strconv"
	"strings"

	"unitbloom/core/place"
	"unitbloom/core/say"
)

// whole reads whole numbers.
func whole(texts []string) ([]int, bool) {
	var out []int
	for _, text := range texts {
		n, err := place.Parse(text)
		if err != nil {
			return nil, false
		}
		ones, ok := n.Whole()
		if !ok {
			return nil, false
		}
		out = append(out, ones)
	}
	return out, true
}

var facts = []Rule{
	{"start-counted", []string{"add-facts", "subtract-facts", "count"}, func(p Problem) []found {
		a, ok := whole(p.Args)
		if !ok || len(a) < 2 || a[1] == 0 {
			return nil
		}
		wrong, right := a[0]+a[1]-1, a[0]+a[1]
		switch p.Method {
		case "subtract-facts":
			wrong, right = a[0]-a[1]+1, a[0]-a[1]
		case "count":
			if len(a) != 3 || a[2] == 0 {
				return nil
			}
			wrong, right = a[0]+a[1]*(a[2]-1), a[0]+a[1]*a[2]
		}
		if right < 0 {
			return nil
		}
		return other("", strconv.Itoa(wrong), strconv.Itoa(right), say.Int("start", say.Given, a[0]))
	}},
	{"one-place-only", []string{"more-less"}, onePlaceOnly},
	{"equals-then-answer", []string{"unknown"}, equalsThenAnswer},
}

// onePlaceOnly turns the digit of a change on, and lets its neighbours be.
func onePlaceOnly(p Problem) []found {
	if len(p.Args) < 2 {
		return nil
	}
	start, err := place.Parse(p.Args[0])
	if err != nil {
		return nil
	}
	c := columns{low: place.Smallest}
	digits := make([]int, int(place.Largest-place.Smallest)+1)
	for i := range digits {
		digits[i] = start.Digit(c.at(i))
	}
	right, crossed := start.Number, place.Ones
	for _, arg := range p.Args[1:] {
		by, sum, err := changed(right, arg)
		if err != nil {
			return nil
		}
		at := by.Top()
		if by.Cmp(at.Value()) != 0 {
			return nil // a change by several of a place has its own rules
		}
		i := int(at - place.Smallest)
		turn := 1
		if strings.HasPrefix(arg, "-") {
			turn = 9
		}
		if now := (digits[i] + turn) % 10; turn == 1 && now == 0 || turn == 9 && now == 9 {
			crossed = at
		}
		digits[i], right = (digits[i]+turn)%10, sum
	}
	return other("", c.text(digits), right.String(), say.PlaceName("place", crossed), next(crossed))
}

// changed is by how much a change changes a number, and what it comes to.
func changed(n place.Number, change string) (by, sum place.Number, err error) {
	w, err := place.Parse(strings.TrimLeft(change, "+-"))
	if err != nil {
		return by, sum, err
	}
	if strings.HasPrefix(change, "-") {
		sum, err = n.Sub(w.Number)
	} else {
		sum, err = n.Add(w.Number)
	}
	return w.Number, sum, err
}

// equalsThenAnswer takes the equals sign for a call to work out what stands before it. It is
// read of a sum with one unknown on its left.
func equalsThenAnswer(p Problem) []found {
	left, rightSide, ok := strings.Cut(strings.Join(p.Args, " "), "=")
	if !ok || !strings.Contains(left, "?") || strings.ContainsAny(left+rightSide, "−-×÷*/<>") {
		return nil
	}
	numbers := func(side string) []int {
		var out []int
		for _, text := range strings.Split(side, "+") {
			if n, err := strconv.Atoi(strings.TrimSpace(text)); err == nil {
				out = append(out, n)
			}
		}
		return out
	}
	total := func(list []int) int {
		sum := 0
		for _, n := range list {
			sum += n
		}
		return sum
	}
	known, after := numbers(left), numbers(rightSide)
	if len(known) == 0 || len(after) == 0 {
		return nil
	}
	right := strconv.Itoa(total(after) - total(known))
	var all []found
	if first := after[0] - total(known); first >= 0 {
		all = other("first", strconv.Itoa(first), right)
	}
	return append(all, other("all", strconv.Itoa(total(known)+total(after)), right)...)
}
