package method

import (
	"fmt"
	"strings"
	"unicode"

	"unitbloom/core/place"
	"unitbloom/core/say"
)

// spoken is how a problem is said in words, with its numbers as A and B, and what it is: with
// signs, or with the name of the method that works it.
var spoken = []struct{ said, is string }{
	{"A plus B", "A + B"}, {"A add B", "A + B"}, {"add A and B", "A + B"}, {"add A to B", "B + A"},
	{"the sum of A and B", "A + B"}, {"A more than B", "B + A"}, {"double A", "A + A"},
	{"A minus B", "A − B"}, {"A take away B", "A − B"}, {"A subtract B", "A − B"},
	{"take A from B", "B − A"}, {"subtract A from B", "B − A"}, {"take away A from B", "B − A"},
	{"from A take B", "A − B"}, {"from A take away B", "A − B"}, {"from A subtract B", "A − B"},
	{"A less B", "A − B"}, {"A less than B", "B − A"}, {"A fewer than B", "B − A"},
	{"the difference between A and B", "difference A B"}, {"difference between A and B", "difference A B"},
	{"the difference of A and B", "difference A B"}, {"difference of A and B", "difference A B"},
	{"difference A and B", "difference A B"},
	{"how many more is A than B", "difference A B"}, {"how much more is A than B", "difference A B"},
	{"compare A and B", "compare A B"}, {"compare A with B", "compare A B"},
	{"which is larger, A or B", "compare A B"}, {"which is larger A or B", "compare A B"},
	{"which is more, A or B", "compare A B"}, {"which is more A or B", "compare A B"},
	{"which is bigger, A or B", "compare A B"}, {"which is bigger A or B", "compare A B"},
	{"which is greater, A or B", "compare A B"}, {"which is greater A or B", "compare A B"},
	{"which is smaller, A or B", "compare A B"}, {"which is smaller A or B", "compare A B"},
	{"which is less, A or B", "compare A B"}, {"which is less A or B", "compare A B"},
	{"is A more than B", "compare A B"}, {"is A less than B", "compare A B"}, {"A or B", "compare A B"},
	{"bonds to A", "bonds A"}, {"bonds for A", "bonds A"}, {"number bonds of A", "bonds A"},
	{"number bonds to A", "bonds A"}, {"number bonds for A", "bonds A"}, {"pairs to A", "bonds A"},
	{"ways to make A", "bonds A"}, {"all ways to make A", "bonds A"}, {"all pairs of A", "bonds A"},
	{"partition A", "build A"}, {"make A", "build A"},
	{"regroup A", "A"}, {"how many tens in A", "A"}, {"how many tens are in A", "A"}, {"how many hundreds in A", "A"},
	{"how many hundreds are in A", "A"}, {"A in tens and ones", "A"}, {"A in hundreds, tens and ones", "A"},
	{"A times B", "A × B"}, {"A multiplied by B", "A × B"}, {"multiply A by B", "A × B"},
	{"A lots of B", "A × B"}, {"A groups of B", "A × B"}, {"A sets of B", "A × B"}, {"A rows of B", "A × B"},
	{"A equal groups of B", "A × B"}, {"A bags of B", "A × B"}, {"A boxes of B", "A × B"},
	{"A trays of B", "A × B"}, {"A packs of B", "A × B"}, {"A plates of B", "A × B"},
	{"A by B", "A × B"}, {"an array of A by B", "A × B"}, {"array of A by B", "A × B"}, {"array A by B", "A × B"},
	{"A by B array", "A × B"}, {"A x B array", "A × B"}, {"array A x B", "A × B"},
	{"A twos", "A × 2"}, {"A threes", "A × 3"}, {"A fours", "A × 4"}, {"A fives", "A × 5"}, {"A sixes", "A × 6"},
	{"A sevens", "A × 7"}, {"A eights", "A × 8"}, {"A nines", "A × 9"}, {"A elevens", "A × 11"},
	{"A twelves", "A × 12"},
	{"A times table", "count 0 A 10"}, {"the A times table", "count 0 A 10"}, {"A x table", "count 0 A 10"},
	{"A times tables", "count 0 A 10"}, {"times table of A", "count 0 A 10"}, {"times table A", "count 0 A 10"},
	{"A divided by B", "A ÷ B"}, {"divide A by B", "A ÷ B"}, {"A shared by B", "A ÷ B"},
	{"A shared between B", "A ÷ B"}, {"A shared among B", "A ÷ B"}, {"share A by B", "A ÷ B"},
	{"share A between B", "A ÷ B"}, {"share A among B", "A ÷ B"},
	{"A in groups of B", "group A B"}, {"A into groups of B", "group A B"},
	{"half of A", "A ÷ 2"}, {"a half of A", "A ÷ 2"}, {"1/2 of A", "A ÷ 2"},
	{"a third of A", "A ÷ 3"}, {"1/3 of A", "A ÷ 3"}, {"a quarter of A", "A ÷ 4"}, {"1/4 of A", "A ÷ 4"},
	{"a fifth of A", "A ÷ 5"}, {"1/5 of A", "A ÷ 5"}, {"a tenth of A", "A ÷ 10"}, {"1/10 of A", "A ÷ 10"},
}

// questions begin a line that asks for what the rest of it is.
var questions = []string{"what is ", "what's ", "how much is ", "find out ", "find ", "work out ", "calculate ",
	"solve ", "show me ", "show "}

// unspoken is a problem that is said in words, with its signs; another line as it is. Its numbers may
// be said in words too.
func unspoken(text string, w say.Vocabulary) string {
	if !strings.ContainsFunc(text, unicode.IsLetter) {
		return text
	}
	line := strings.ToLower(text)
	for _, q := range questions {
		if rest, asks := strings.CutPrefix(line, q); asks {
			line = strings.TrimSpace(strings.TrimSuffix(rest, "?"))
			text = line
		}
	}
	line = strings.TrimRight(line, "?= ")
	digits := place.InDigits(line)
	for _, s := range spoken {
		for _, said := range []string{line, digits} {
			if a, b, ok := numbersSaid(s.said, said, w); ok {
				return strings.NewReplacer("A", a, "B", b).Replace(s.is)
			}
		}
	}
	if counted, ok := counting(digits, w); ok {
		return counted
	}
	if equal := inEquals(digits); !strings.ContainsFunc(equal, unicode.IsLetter) {
		return equal
	}
	return text
}

// inEquals is a line with the words for = in signs, and then those for + too: 14 is 10 and 4.
func inEquals(line string) string {
	out := line
	for _, is := range []string{" is ", " are ", " make ", " makes ", " equals "} {
		out = strings.ReplaceAll(out, is, " = ")
	}
	if out == line {
		return line
	}
	return strings.ReplaceAll(out, " and ", " + ")
}

// onTen is how many steps are counted where no end is said.
const onTen = 10

// counting is a line that says in what a class counts on or back, from where and to where, as the problem
// of the method that does: by ones, ten steps, and on from 0 or back to 0 where it does not say.
func counting(line string, w say.Vocabulary) (string, bool) {
	rest, ok := strings.CutPrefix(strings.TrimPrefix(line, "skip "), "count ")
	if !ok {
		return "", false
	}
	said := map[string]int{"in": 1}
	key, back := "", false
	for _, word := range strings.Fields(rest) {
		switch word {
		case "on", "up", "steps", "of", "forwards":
		case "back", "backwards", "down":
			back = true
		case "in", "by", "from", "to":
			key = strings.Replace(word, "by", "in", 1)
		default:
			n, step, ok := stepOrNumber(word, w)
			if key == "" && step {
				key = "in" // count 5s
			}
			if !ok || key == "" {
				return "", false
			}
			said[key], key = n, ""
		}
	}
	step, times := said["in"], onTen
	start, starts := said["from"]
	end, ends := said["to"]
	if step == 0 || ends && (end == start || starts && back && end > start) {
		return "", false
	}
	if back && !starts {
		start = end + step*onTen
	}
	if back = back || end < start && ends; back {
		times = min(times, start/step)
	}
	if ends {
		times = max(1, max(end-start, start-end)/step)
	}
	sign := ""
	if back {
		sign = "−"
	}
	return fmt.Sprintf("%s %d %s%d %d", count.ID, start, sign, step, times), true
}

// stepOrNumber is the number that a word says, and whether it says steps of it: 5s, fives, hundreds.
func stepOrNumber(word string, w say.Vocabulary) (n int, step, ok bool) {
	for _, plural := range []string{"s", "es"} {
		one, _ := strings.CutSuffix(word, plural)
		if n, named := place.Named(one); named && one != word {
			return n, true, true
		}
	}
	one := strings.TrimSuffix(strings.TrimSuffix(strings.TrimSuffix(word, "s"), "'"), "’")
	v, err := place.Parse(w.Plain(one))
	if err != nil {
		return 0, false, false
	}
	n, ok = v.Whole()
	return n, one != word, ok
}

// numbersSaid are the numbers in a line that says what a pattern does.
func numbersSaid(pattern, line string, w say.Vocabulary) (a, b string, ok bool) {
	before, after, _ := strings.Cut(pattern, "A")
	between, end, two := strings.Cut(after, "B")
	rest, ok := strings.CutPrefix(line, before)
	if !ok {
		return "", "", false
	}
	if two {
		var found bool
		a, b, found = strings.Cut(rest, between)
		if b, ok = strings.CutSuffix(b, end); !found || !ok {
			return "", "", false
		}
	} else if a, ok = strings.CutSuffix(rest, after); !ok {
		return "", "", false
	}
	a, b = strings.TrimSpace(a), strings.TrimSpace(b)
	return a, b, isNumber(a, w) && (!two || isNumber(b, w))
}

func isNumber(text string, w say.Vocabulary) bool {
	_, err := place.Parse(w.Plain(text))
	return err == nil
}
