package method

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// seenOption is what children saw, in their own words; a semicolon stands
// between several ways.
var seenOption = Option{Name: "seen",
	Doc:    "What children saw, like 8 and 2 more and 3; two fives and 3. A semicolon stands between several ways.",
	Sample: "8 and 2 more and 3"}

// groupWords are the sizes of the groups that children say: two fives.
var groupWords = map[string]int{
	"ones": 1, "twos": 2, "threes": 3, "fours": 4, "fives": 5, "sixes": 6, "sevens": 7, "eights": 8, "nines": 9,
	"tens": 10,
}

// seenPart is what a child named: 3, or two fives.
type seenPart struct{ times, each int }

// Seen is a way in which a child saw a number: its parts in the order in which they were
// named, less what was taken away again: "two fives and 3", "10 take away 2".
type Seen struct {
	parts []seenPart
	less  int
}

// fillers are words between numbers that say nothing of the parts.
var fillers = []string{"and", "more", "then", "plus", "a", "an", "i", "see", "saw", "it", "is", "with"}

// ReadSeen reads what a child says: "8 and 2 more", "two fives and 3", "double 7 and 1",
// "10 take away 2", "7 sixes", "2 × 5 + 3".
func ReadSeen(text string) (Seen, error) {
	signs := strings.NewReplacer("−", " − ", "–", " − ", "-", " − ", "×", " × ", "*", " × ", "take away", " − ", "times",
		" × ")
	words := strings.FieldsFunc(signs.Replace(strings.ToLower(text)),
		func(r rune) bool { return strings.ContainsRune(" ,+.", r) })
	var seen Seen
	taking := false
	for i := 0; i < len(words); i++ {
		w := words[i]
		n, isNumber := seenNumber(w)
		switch {
		case slices.Contains([]string{"−", "minus", "less", "without"}, w):
			taking = true
			continue
		case w == "double" && i+1 < len(words):
			i++
			if n, isNumber = seenNumber(words[i]); !isNumber {
				return Seen{}, say.Refuse("seen-words", say.Text("text", say.Given, words[i]))
			}
			seen.parts = append(seen.parts, seenPart{2, n})
		case !isNumber && slices.Contains(fillers, w):
			continue
		case !isNumber:
			return Seen{}, say.Refuse("seen-words", say.Text("text", say.Given, w))
		case taking:
			seen.less += n
		default:
			one, used := groupsOf(n, words[i+1:])
			seen.parts = append(seen.parts, one)
			i += used
		}
		taking = taking && i+1 < len(words) && words[i+1] == "and"
	}
	return seen, nil
}

// groupsOf reads on after a number: fives after two, or × 5, and how many words that took.
func groupsOf(n int, next []string) (one seenPart, used int) {
	if len(next) > 0 && strings.HasSuffix(next[0], "s") {
		switch each, plural := groupWords[next[0]]; {
		case plural && each == 1:
			return seenPart{1, n}, 1 // three ones are three
		case plural:
			return seenPart{n, each}, 1
		}
	}
	if len(next) > 1 && (next[0] == "×" || next[0] == "x") {
		if each, ok := seenNumber(next[1]); ok {
			return seenPart{n, each}, 2
		}
	}
	return seenPart{1, n}, 0
}

func seenNumber(w string) (int, bool) {
	if n, err := strconv.Atoi(w); err == nil && n >= 0 && n <= 144 {
		return n, true
	}
	if n, ok := place.Named(w); ok && n <= 20 {
		return n, true
	}
	n, ok := groupWords[w]
	return n, ok
}

// Total is the number that the way comes to.
func (s Seen) Total() int {
	n := -s.less
	for _, p := range s.parts {
		n += p.times * p.each
	}
	return n
}

// Split are the parts as numbers of pieces, and as they are written. As products, two
// fives are one part. Where something was taken away again, what is left is one part.
func (s Seen) Split(products bool) (parts []int, texts []string) {
	for _, p := range s.parts {
		if products && p.times > 1 {
			parts, texts = append(parts, p.times*p.each), append(texts, strconv.Itoa(p.times)+" × "+strconv.Itoa(p.each))
			continue
		}
		for range min(p.times, 145) {
			parts, texts = append(parts, p.each), append(texts, strconv.Itoa(p.each))
		}
	}
	if s.less > 0 {
		parts = []int{s.Total()}
	}
	return parts, texts
}

// Sum is the way as a sum or a difference: "8 + 2 + 3", "10 − 2".
func (s Seen) Sum(products bool) string {
	_, texts := s.Split(products)
	sum := strings.Join(texts, " + ")
	if s.less > 0 {
		sum += " − " + strconv.Itoa(s.less)
	}
	return sum
}

// Alike reports whether two ways are one, told in other words or in another order.
func (s Seen) Alike(other Seen) bool {
	a, _ := s.Split(false)
	b, _ := other.Split(false)
	slices.Sort(a)
	slices.Sort(b)
	return s.less == other.less && slices.Equal(a, b)
}

// sight is what children look at: the moves that show it, and how many pieces
// stand together for the eye, in the order they are read. The first Skip pieces
// are not looked at.
type sight struct {
	moves []board.Move
	runs  []int
	skip  int
}

func (s sight) total() int { return sumOf(s.runs) }

// seen adds a step for each way that children saw one of the sights: its parts
// are found in what lies there, ringed, and the split is written. Several ways
// stand together. As products, two fives are one part.
func (m *maker) seen(products bool, sights ...sight) error {
	var told []Seen
	for _, text := range strings.Split(m.r.Options["seen"], ";") {
		text = strings.TrimSpace(text)
		if text == "" {
			continue
		}
		way, err := ReadSeen(text)
		if err != nil {
			return err
		}
		if slices.ContainsFunc(told, way.Alike) {
			continue // one way in other words
		}
		told = append(told, way)
		parts, texts := way.Split(products)
		if len(texts) < 2 && way.less == 0 || len(parts) > board.MaxRings {
			return say.Refuse("seen-parts", say.Text("text", say.Given, text))
		}
		if err := m.seenWay(text, way, products, sights); err != nil {
			return err
		}
	}
	return nil
}

func (m *maker) seenWay(text string, way Seen, products bool, sights []sight) error {
	n := way.Total()
	parts, texts := way.Split(products)
	var best sight
	var there [][]int
	most := -1
	for _, s := range sights {
		if s.total() != n {
			continue
		}
		if slots, whole := allot(s.runs, parts); whole > most {
			best, there, most = s, slots, whole
		}
	}
	if most < 0 {
		return say.Refuse("seen-total", say.Text("text", say.Given, text), given("n", n),
			say.Text("total", say.Given, totals(sights)))
	}
	if m.err != nil {
		return nil
	}
	id := "seen.answer"
	if most < len(parts) {
		id = "seen.parted"
	}
	told := say.Listed(texts)
	if way.less > 0 {
		told = way.Sum(true)
	}
	s := lesson.Step{
		Say: line("seen.say", say.Text("seen", say.Part, text)), Ask: line("seen.ask"),
		Answer: line(id, answerText("parts", told), answer("total", n)),
		Moves:  slices.Clone(best.moves),
		Write:  []lesson.Write{m.sentence(way.Sum(products), strconv.Itoa(n))},
	}
	if len(parts) > 1 {
		s.Write = append([]lesson.Write{bond(n, parts...)}, s.Write...)
	}
	for _, slots := range there {
		for k := range slots {
			slots[k] += best.skip
		}
	}
	s.Moves = m.rings(s.Moves, there...)
	m.key(s)
	return nil
}

// totals are the numbers that may be seen, as a text: 14, 6 or 8.
func totals(sights []sight) string {
	var out []string
	for _, s := range sights {
		if t := strconv.Itoa(s.total()); !slices.Contains(out, t) {
			out = append(out, t)
		}
	}
	return strings.Join(out, " or ")
}

// rowSights are numbers on rows of beads: by rows, and each row parted
// after five.
func (m *maker) rowSights(rows ...int) []sight {
	var to []board.Row
	var whole, fives []int
	for i, n := range rows {
		to = append(to, board.Row{Row: i + 1, To: n})
		if n > 0 {
			whole = append(whole, n)
		}
		for ; n > 0; n -= 5 {
			fives = append(fives, min(n, 5))
		}
	}
	moves := []board.Move{m.acts.Slide(to...)}
	return []sight{{moves: moves, runs: whole}, {moves: moves, runs: fives}}
}

// bondSights are a whole of counters parted in two colours, every way.
func (m *maker) bondSights(n int) []sight {
	var all []sight
	for first := range n + 1 {
		s := sight{moves: []board.Move{m.acts.Parts(first)}}
		for _, run := range []int{first, n - first} {
			if run > 0 {
				s.runs = append(s.runs, run)
			}
		}
		all = append(all, s)
	}
	return all
}

// arraySight is rows of an array.
func (m *maker) arraySight(a, b int) sight {
	s := sight{moves: []board.Move{m.acts.Array(a, b)}}
	for range a {
		s.runs = append(s.runs, b)
	}
	return s
}

// last is a sight of the last so many pieces.
func (s sight) last(n int) sight {
	skip := s.total() - n
	s.skip = skip
	s.runs = slices.Clone(s.runs)
	for i := range s.runs {
		off := min(skip, s.runs[i])
		s.runs[i] -= off
		skip -= off
	}
	s.runs = slices.DeleteFunc(s.runs, func(n int) bool { return n == 0 })
	return s
}

// allot finds the parts among runs of pieces: the slots of each, in the order of
// the parts, and how many of the parts are whole runs. They look in the order in
// which they were named, or else the largest first, where more are found so.
func allot(runs, parts []int) (slots [][]int, whole int) {
	order := make([]int, len(parts))
	for i := range order {
		order[i] = i
	}
	slots, whole = allotIn(order, runs, parts)
	slices.SortStableFunc(order, func(x, y int) int { return parts[y] - parts[x] })
	if other, more := allotIn(order, runs, parts); more > whole {
		return other, more
	}
	return slots, whole
}

// allotIn lets the parts look in an order: for runs side by side, then for any; a
// part that is not there takes of what is left, from the first.
func allotIn(order, runs, parts []int) (slots [][]int, whole int) {
	starts := make([]int, len(runs)+1)
	for i, n := range runs {
		starts[i+1] = starts[i] + n
	}
	free := make([]bool, starts[len(runs)])
	for i := range free {
		free[i] = true
	}
	slots = make([][]int, len(parts))
	used := make([]bool, len(runs))
	for _, p := range order {
		for _, r := range runsOf(runs, used, parts[p]) {
			used[r] = true
			for k := starts[r]; k < starts[r+1]; k++ {
				slots[p], free[k] = append(slots[p], k), false
			}
		}
	}
	for p, n := range parts {
		if len(slots[p]) == n {
			whole++
			continue
		}
		for k := range free {
			if free[k] && len(slots[p]) < n {
				slots[p], free[k] = append(slots[p], k), false
			}
		}
	}
	return slots, whole
}

// runsOf are free runs that come to n: side by side where there are such, else
// any; none when there are none.
func runsOf(runs []int, used []bool, n int) []int {
	for i := range runs {
		sum, found := 0, []int{}
		for k := i; k < len(runs) && !used[k] && sum < n; k++ {
			sum, found = sum+runs[k], append(found, k)
		}
		if n > 0 && sum == n {
			return found
		}
	}
	return anyRuns(runs, used, n, 0)
}

func anyRuns(runs []int, used []bool, n, from int) []int {
	for k := from; k < len(runs); k++ {
		if used[k] || runs[k] > n {
			continue
		}
		if runs[k] == n {
			return []int{k}
		}
		if rest := anyRuns(runs, used, n-runs[k], k+1); rest != nil {
			return append([]int{k}, rest...)
		}
	}
	return nil
}
