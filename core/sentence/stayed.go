package sentence

import (
	"strings"

	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Part is a piece of a line: a digit that stayed or changed from line to line, or what
// stands between.
type Part struct {
	Text string `json:"text"`
	Mark string `json:"mark,omitempty" jsonschema:"enum=stayed,enum=changed"`
}

// Lit is lines with their digits told apart, and what there is to be noticed.
type Lit struct {
	Lines [][]Part
	Said  []say.Message
}

const (
	stayed  = "stayed"
	changed = "changed"
)

// numerals are where the numbers of a line stand, those that are not known yet among them.
func numerals(line string) [][]int {
	var spans [][]int
	digit := func(i int) bool { return i < len(line) && line[i] >= '0' && line[i] <= '9' }
	for i := 0; i < len(line); i++ {
		for _, sign := range []string{"?", "_", Unknown} {
			if strings.HasPrefix(line[i:], sign) {
				spans = append(spans, []int{i, i + len(sign)})
			}
		}
		if !digit(i) {
			continue
		}
		end := i
		for digit(end) || line[i:end] != "" && end+1 < len(line) && line[end] == '.' && digit(end+1) &&
			!strings.Contains(line[i:end], ".") {
			end++
		}
		spans = append(spans, []int{i, end})
		i = end - 1
	}
	return spans
}

// Stayed tells which digits stayed and which changed, by place, between lines that are
// alike: their first numbers with their first, and so on. Where the lines have not as many
// numbers, their last are told apart. What is said is of the last number that changes.
func Stayed(lines []string) (Lit, error) {
	if len(lines) < 2 {
		return Lit{}, say.Refuse("stayed-two")
	}
	found := make([][][]int, len(lines))
	least := -1
	for i, line := range lines {
		found[i] = numerals(line)
		if len(found[i]) == 0 {
			return Lit{}, say.Refuse("stayed-number", say.Text("text", say.Given, line))
		}
		if least < 0 || len(found[i]) < least {
			least = len(found[i])
		}
	}
	alike := true
	for _, f := range found {
		alike = alike && len(f) == least
	}
	if !alike {
		least = 1
	}
	out := Lit{Lines: make([][]Part, len(lines))}
	marks := make([]map[int]string, len(lines)) // by the place in the text
	for i := range marks {
		marks[i] = map[int]string{}
	}
	for k := range least {
		var numbers []place.Written
		var at []int // the lines that they stand in
		spans := make([][]int, len(lines))
		for i, f := range found {
			spans[i] = f[len(f)-least+k]
			// What is not known yet neither stayed nor changed.
			if n, err := place.Parse(lines[i][spans[i][0]:spans[i][1]]); err == nil {
				numbers, at = append(numbers, n), append(at, i)
			}
		}
		if len(numbers) < 2 {
			continue
		}
		same := samePlaces(numbers)
		if _, ok := shifted(numbers); ok {
			clear(same) // what looks alike has come from another place
		}
		for _, i := range at {
			markDigits(marks[i], lines[i], spans[i], same)
		}
		if said := noticed(numbers, same); said != nil {
			out.Said = said
		}
	}
	if out.Said == nil {
		out.Said = []say.Message{say.New("stayed.all")}
	}
	for i, line := range lines {
		out.Lines[i] = parted(line, marks[i])
	}
	return out, nil
}

// places are those in which any of the numbers has a digit, from the largest down.
func places(numbers []place.Written) []place.Place {
	var list []place.Place
	for p := place.Largest; p >= place.Smallest; p-- {
		for _, n := range numbers {
			if hasDigit(n, p) {
				list = append(list, p)
				break
			}
		}
	}
	return list
}

// hasDigit reports whether a number is written with a digit at a place.
func hasDigit(n place.Written, p place.Place) bool {
	whole, decimals, _ := strings.Cut(n.String(), ".")
	if p >= place.Ones {
		return int(p-place.Ones) < len(whole)
	}
	return int(place.Ones-p) <= len(decimals)
}

// samePlaces tells for each place whether all numbers have the same digit there.
func samePlaces(numbers []place.Written) map[place.Place]bool {
	same := map[place.Place]bool{}
	for _, p := range places(numbers) {
		same[p] = true
		for _, n := range numbers {
			if !hasDigit(n, p) || n.Digit(p) != numbers[0].Digit(p) {
				same[p] = false
			}
		}
	}
	return same
}

func markDigits(marks map[int]string, line string, span []int, same map[place.Place]bool) {
	text := line[span[0]:span[1]]
	point := strings.IndexByte(text, '.')
	if point < 0 {
		point = len(text)
	}
	for i := range text {
		if i == point {
			continue
		}
		p := place.Ones + place.Place(point-1-i)
		if i > point {
			p = place.Ones - place.Place(i-point)
		}
		marks[span[0]+i] = changed
		if same[p] {
			marks[span[0]+i] = stayed
		}
	}
}

func parted(line string, marks map[int]string) []Part {
	var parts []Part
	for i, r := range line {
		mark := marks[i]
		if n := len(parts); n > 0 && parts[n-1].Mark == mark {
			parts[n-1].Text += string(r)
			continue
		}
		parts = append(parts, Part{string(r), mark})
	}
	return parts
}

// noticed is what is said of numbers that stand in the same place of lines; nothing when they
// are all the same.
func noticed(numbers []place.Written, same map[place.Place]bool) []say.Message {
	if shift, ok := shifted(numbers); ok {
		id := "stayed.up"
		if shift < 0 {
			id, shift = "stayed.down", -shift
		}
		return []say.Message{say.New(id, say.Int("n", say.Amount, shift))}
	}
	var out []say.Message
	varies := false
	for _, p := range places(numbers) {
		if same[p] {
			continue
		}
		varies = true
		if by, even := step(numbers, p); even && by != 0 {
			id := "stayed.more"
			if by < 0 {
				id, by = "stayed.fewer", -by
			}
			out = append(out, say.New(id, say.PlaceName("place", p), say.Int("n", say.Amount, by)))
		} else {
			out = append(out, say.New("stayed.changed", say.PlaceName("place", p)))
		}
	}
	if !varies {
		return nil
	}
	var kept []say.Message
	for _, p := range places(numbers) {
		if same[p] {
			kept = append(kept, say.New("stayed.kept", say.PlaceName("place", p)))
		}
	}
	return append(kept, out...)
}

// step is by how much the digit at a place grows from each number to the next, where that is
// always as much.
func step(numbers []place.Written, p place.Place) (by int, even bool) {
	by = numbers[1].Digit(p) - numbers[0].Digit(p)
	for i := 1; i < len(numbers); i++ {
		if numbers[i].Digit(p)-numbers[i-1].Digit(p) != by {
			return 0, false
		}
	}
	return by, true
}

// shifted is by how many places all digits go up from each number to the next.
func shifted(numbers []place.Written) (by int, ok bool) {
	between := func(a, b place.Number) (int, bool) {
		for by := -6; by <= 6; by++ {
			if by == 0 {
				continue
			}
			if n, err := a.Shift(by); err == nil && n.Cmp(b) == 0 {
				return by, true
			}
		}
		return 0, false
	}
	if numbers[0].IsZero() {
		return 0, false
	}
	if by, ok = between(numbers[0].Number, numbers[1].Number); !ok {
		return 0, false
	}
	for i := 2; i < len(numbers); i++ {
		if again, ok := between(numbers[i-1].Number, numbers[i].Number); !ok || again != by {
			return 0, false
		}
	}
	return by, true
}
