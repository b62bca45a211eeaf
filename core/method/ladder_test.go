package method_test

import (
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"unitbloom/core/method"
)

// later tells when a table is learned.
func later(n int) int {
	return map[int]int{1: 0, 2: 0, 5: 0, 10: 0, 3: 1, 4: 1, 8: 1, 6: 2, 7: 2, 9: 2, 11: 2, 12: 2}[n]
}

// A division with a number missing is of the tables of what divides and what comes of it, whatever
// the number is that is divided.
func TestAMissingNumberIsOfTheTablesThatItIsFoundBy(t *testing.T) {
	t.Parallel()
	// table is the easier one of a problem that is written a ÷ b = c, with one of them missing.
	table := func(r method.Request) int {
		words := strings.Fields(strings.Join(r.Args, " "))
		n := func(i int) int {
			v, err := strconv.Atoi(words[i])
			require.NoError(t, err, words)
			return v
		}
		switch "?" {
		case words[0]:
			return min(later(n(2)), later(n(4)))
		case words[2]:
			return min(later(n(0)/n(4)), later(n(4)))
		}
		return min(later(n(2)), later(n(0)/n(2)))
	}
	told := 0
	for seed := range uint64(12) {
		set, err := method.Ladder(method.Request{Method: "unknown", Args: []string{"? ÷ 5 = 2"}}, 8, seed)
		require.NoError(t, err)
		for i, rung := range set {
			if rung.Harder.ID == "harder.table" {
				told++
				require.Equal(t, table(set[i-1].Request)+1, table(rung.Request), "%v after %v", rung.Args, set[i-1].Args)
			}
		}
	}
	require.Positive(t, told)
}

// What is told of a fact that is harder than the one before is true, by sums of our own.
func TestWhatIsToldOfAHarderFactIsTrue(t *testing.T) {
	t.Parallel()
	numbers := func(r method.Request) (out []int) {
		for _, a := range strings.Fields(strings.Join(r.Args, " ")) {
			if n, err := strconv.Atoi(a); err == nil {
				out = append(out, n)
			}
		}
		return out
	}
	// 300 is 3 of its unit; 10 is a number to multiply by.
	front := func(n int) int {
		for n%10 == 0 && n > 10 {
			n /= 10
		}
		return n
	}
	truth := map[string]func(now, was []int) bool{
		"harder.through-ten": func(now, was []int) bool {
			through := func(n []int) bool { return n[0] > 10 && n[0]-n[1] < 10 || n[0] < 10 && n[0]+n[1] > 10 }
			return through(now) && !through(was)
		},
		"harder.from-ten": func(now, was []int) bool {
			return max(now[0], now[1]) == max(was[0], was[1])-1 && now[0]+now[1] > 10
		},
		"harder.beyond-ten": func(now, was []int) bool { return now[0]-now[1] == was[0]-was[1]-1 && now[0] > 10 },
		"harder.count-on":   func(now, was []int) bool { return min(now[0], now[1]) > min(was[0], was[1]) },
		"harder.take": func(now, was []int) bool {
			return min(now[1], now[0]-now[1]) > min(was[1], was[0]-was[1])
		},
		"harder.turned": func(now, was []int) bool { return now[0] < now[1] && was[0] >= was[1] },
		"harder.whole":  func(now, was []int) bool { return now[0] == was[0]+1 },
		"harder.table": func(now, was []int) bool {
			first := func(n []int) int { return min(later(front(n[0])), later(front(n[1]))) }
			return first(now) == first(was)+1
		},
		// What is grouped is of no table.
		"group harder.table": func(now, was []int) bool { return later(now[1]) == later(was[1])+1 },
		"harder.rest":        func(now, was []int) bool { return now[0] != was[0] },
		"harder.remainder":   func(now, was []int) bool { return now[0]%now[1] > 0 && was[0]%was[1] == 0 },
		"harder.group":       func(now, was []int) bool { return now[0]/now[1] == was[0]/was[1]+1 },
		"harder.unit": func(now, was []int) bool {
			zeros := func(n []int) int { return strings.Count(strconv.Itoa(n[0]*n[1]), "0") }
			return zeros(now) > zeros(was) || now[0]*now[1]%10 == 0
		},
		"harder.bundled": func(now, was []int) bool {
			return front(now[0])*now[1] >= 10 && front(was[0])*was[1] < 10
		},
		"harder.crossing": func(now, was []int) bool {
			changed := func(n []int) int {
				a, b := strconv.Itoa(n[0]), strconv.Itoa(n[0]+n[1])
				a = strings.Repeat("0", len(b)-len(a)) + a
				k := 0
				for i := range a {
					if a[i] != b[i] {
						k++
					}
				}
				return k
			}
			return changed(now) == changed(was)+1
		},
		"harder.zero": func(now, was []int) bool {
			zeros := func(n []int) int { return strings.Count(strconv.Itoa(n[0])+strconv.Itoa(n[1]), "0") }
			return zeros(now) > zeros(was)
		},
		"harder.alike": func(now, was []int) bool {
			alike := func(n []int) (k int) {
				a, b := strconv.Itoa(n[0]), strconv.Itoa(n[1])
				for k < len(a) && len(a) == len(b) && a[k] == b[k] {
					k++
				}
				return k
			}
			return alike(now) == alike(was)+1
		},
		"harder.digit": func(now, was []int) bool {
			return len(strconv.Itoa(now[0])) == len(strconv.Itoa(was[0]))+1
		},
	}
	for problem, met := range map[string][]string{
		"add-facts 1 + 4":      {"harder.count-on", "harder.through-ten"},
		"add-facts 9 + 2":      {"harder.from-ten", "harder.turned"},
		"subtract-facts 7 − 4": {"harder.take"}, "subtract-facts 12 − 3": {"harder.beyond-ten"},
		"array 2 × 5": {"harder.table"}, "array 6 × 7": {"harder.rest"}, "bonds 6": {"harder.whole"},
		"group 14 ÷ 7": {"harder.remainder"}, "group 14 ÷ 4": {"harder.group"},
		"compare 402 420":  {"harder.digit", "harder.alike"},
		"unit-fact 20 × 3": {"harder.unit", "harder.bundled"}, "more-less 305 +10": {"harder.crossing"},
	} {
		words := strings.Fields(problem)
		told := map[string]bool{}
		for seed := range uint64(5) {
			r := method.Request{Method: words[0], Args: words[1:]}
			set, err := method.Ladder(r, 8, seed)
			require.NoError(t, err, problem)
			seen := map[string]bool{strings.Join(r.Args, " "): true}
			for i, rung := range set {
				text := strings.Join(rung.Args, " ")
				require.False(t, seen[text], "%s: %s stands twice, or is the given one", problem, text)
				seen[text] = true
				if id := rung.Harder.ID; id != "" {
					told[id] = true
					holds := truth[words[0]+" "+id]
					if holds == nil {
						holds = truth[id]
					}
					require.True(t, holds(numbers(rung.Request), numbers(set[i-1].Request)), "%s: %v after %v: %s",
						problem, rung.Args, set[i-1].Args, id)
				}
			}
		}
		for _, id := range met {
			require.True(t, told[id], "%s: %s in none of five sets", problem, id)
		}
	}
}

// A set keeps to numbers of about the length that it began with, and a comparison is decided no earlier.
func TestASetGrowsByTwoDigitsAtMost(t *testing.T) {
	t.Parallel()
	for problem, most := range map[string]int{"compare 402 420": 5, "share 97 ÷ 4": 4, "column-add 58 67": 4,
		"short-multiply 126 × 4": 5, "shift 34 ÷ 100": 4} {
		words := strings.Fields(problem)
		for seed := range uint64(4) {
			set, err := method.Ladder(method.Request{Method: words[0], Args: words[1:]}, 10, seed)
			require.NoError(t, err, problem)
			require.Len(t, set, 10, problem)
			for _, rung := range set {
				for _, a := range rung.Args {
					require.LessOrEqual(t, len(strings.ReplaceAll(a, ".", "")), most, "%s: %v", problem, rung.Args)
				}
				if words[0] == "compare" {
					require.Equal(t, rung.Args[0][0], rung.Args[1][0], "%s: %v", problem, rung.Args)
				}
			}
		}
	}
}

// A set of every method rises: at least one of its problems is harder than the one before, and told
// to be. What counts to twenty in tens and ones is all alike.
func TestSetsRise(t *testing.T) {
	t.Parallel()
	for _, spec := range method.Specs() {
		rises := false
		for seed := uint64(0); seed < 4 && !rises; seed++ {
			set, err := method.Ladder(method.Request{Method: spec.ID, Args: spec.Sample}, 6, seed)
			require.NoError(t, err, spec.ID)
			for _, rung := range set {
				rises = rises || rung.Harder.ID != ""
			}
		}
		require.Equal(t, spec.ID != "teens", rises, spec.ID)
	}
}
