package mistake

import (
	"strconv"
	"strings"

	"unitbloom/core/place"
	"unitbloom/core/say"
)

// columns are numbers written place under place: their digits from the smallest place up, a
// missing one 0.
type columns struct {
	numbers []place.Written
	rows    [][]int
	low     place.Place
}

func columnsOf(args []string) (columns, bool) {
	c := columns{low: place.Ones}
	top := place.Ones
	for _, arg := range args {
		n, err := place.Parse(arg)
		if err != nil {
			return c, false
		}
		c.numbers = append(c.numbers, n)
		c.low = min(c.low, place.Ones-place.Place(n.Decimals))
		top = max(top, n.Top())
	}
	for _, n := range c.numbers {
		row := make([]int, int(top-c.low)+1)
		for i := range row {
			row[i] = n.Digit(c.at(i))
		}
		c.rows = append(c.rows, row)
	}
	return c, len(c.numbers) >= 2
}

// at is the place of a column, counted from the smallest.
func (c columns) at(i int) place.Place { return c.low + place.Place(i) }

// text is what is written when each column gets what it gets, be it of two digits.
func (c columns) text(digits []int) string {
	var b strings.Builder
	for i := len(digits) - 1; i >= 0; i-- {
		b.WriteString(strconv.Itoa(digits[i]))
		if c.at(i) == place.Ones && i > 0 {
			b.WriteByte('.')
		}
	}
	return plain(b.String())
}

// plain is a numeral without zeros that need not be written.
func plain(text string) string {
	whole, part, _ := strings.Cut(text, ".")
	whole = strings.TrimLeft(whole, "0")
	if part = strings.TrimRight(part, "0"); part != "" {
		part = "." + part
	}
	if whole == "" {
		whole = "0"
	}
	return whole + part
}

func (c columns) sum() string {
	carry, digits := 0, make([]int, 0, len(c.rows[0]))
	for i := range c.rows[0] {
		s := carry + c.column(i)
		if i == len(c.rows[0])-1 {
			digits = append(digits, s)
			break
		}
		digits, carry = append(digits, s%10), s/10
	}
	return c.text(digits)
}

// column is what the digits of a column make.
func (c columns) column(i int) int {
	sum := 0
	for _, row := range c.rows {
		sum += row[i]
	}
	return sum
}

// difference works a subtraction of two numbers from the smallest place up. What is done
// where a column has too few is told by open, which changes the upper digits and may write
// a digit itself; it says false where the procedure cannot go on.
func (c columns) difference(open func(upper []int, i int) (written int, done, ok bool)) string {
	upper, lower := append([]int(nil), c.rows[0]...), c.rows[1]
	digits := make([]int, len(upper))
	for i := range upper {
		if upper[i] < lower[i] {
			d, done, ok := open(upper, i)
			if !ok {
				return ""
			}
			if done {
				digits[i] = d
				continue
			}
		}
		digits[i] = upper[i] - lower[i]
		if digits[i] > 9 || digits[i] < 0 {
			return ""
		}
	}
	return c.text(digits)
}

// giver is the nearest column above i that has one to give, or -1.
func giver(upper []int, i int) int {
	for j := i + 1; j < len(upper); j++ {
		if upper[j] > 0 {
			return j
		}
	}
	return -1
}

// opened gives ten to column i as it is to be: what is between becomes nine.
func opened(upper []int, i int) bool {
	j := giver(upper, i)
	if j < 0 {
		return false
	}
	upper[j]--
	for k := i + 1; k < j; k++ {
		upper[k] = 9
	}
	upper[i] += 10
	return true
}

func (c columns) right() string {
	return c.difference(func(upper []int, i int) (int, bool, bool) { return 0, false, opened(upper, i) })
}

// differing are two numbers, the first not smaller, whose subtraction opens a column; first
// is that column.
func differing(p Problem) (c columns, first int, ok bool) {
	c, ok = columnsOf(p.Args)
	if !ok || len(c.rows) != 2 || c.numbers[0].Cmp(c.numbers[1].Number) < 0 {
		return c, 0, false
	}
	for i := range c.rows[0] {
		if c.rows[0][i] < c.rows[1][i] {
			return c, i, true
		}
	}
	return c, 0, false
}

var subtraction = []Rule{
	{"smaller-from-larger", []string{"column-subtract"}, func(p Problem) []found {
		c, i, ok := differing(p)
		if !ok {
			return nil
		}
		wrong := c.difference(func(upper []int, i int) (int, bool, bool) { return c.rows[1][i] - upper[i], true, true })
		return other("", wrong, c.right(), say.Pieces("take", say.Given, c.rows[1][i], c.at(i)),
			say.Pieces("here", say.Given, c.rows[0][i], c.at(i)))
	}},
	{"giver-not-reduced", []string{"column-subtract"}, func(p Problem) []found {
		c, _, ok := differing(p)
		if !ok {
			return nil
		}
		return other("", c.difference(func(upper []int, i int) (int, bool, bool) {
			upper[i] += 10
			return 0, false, true
		}), c.right())
	}},
	{"across-zero", []string{"column-subtract"}, acrossZero},
	{"zero-minus-n", []string{"column-subtract"}, zeroMinus},
}

// acrossZero are the ways in which a giver beyond a zero goes wrong.
func acrossZero(p Problem) []found {
	c, _, ok := differing(p)
	if !ok {
		return nil
	}
	between, at := -1, -1 // the zero next to the column that wants ten, and that column
	across := func(upper []int, i int, wrong func(j int)) bool {
		j := giver(upper, i)
		if j < 0 {
			return false
		}
		if j == i+1 {
			return opened(upper, i)
		}
		if between < 0 {
			between, at = i+1, i
		}
		wrong(j)
		upper[i] += 10
		return true
	}
	way := func(zeros int, gives bool) string {
		return c.difference(func(upper []int, i int) (int, bool, bool) {
			return 0, false, across(upper, i, func(j int) {
				if gives {
					upper[j]--
				}
				for k := i + 1; k < j; k++ {
					upper[k] = zeros
				}
			})
		})
	}
	left, skipped, nine := way(10, true), way(0, true), way(9, false)
	if between < 0 {
		return nil
	}
	right := c.right()
	zero, to := say.PlaceName("zero", c.at(between)), say.PlaceName("to", c.at(at))
	from := say.PlaceName("from", c.at(giver(c.rows[0], at)))
	all := other("left-at-ten", left, right, zero, to)
	all = append(all, other("skipped", skipped, right, from)...)
	return append(all, other("nine-for-nothing", nine, right, zero)...)
}

// zeroMinus are the two ways of taking from nothing.
func zeroMinus(p Problem) []found {
	c, _, ok := differing(p)
	if !ok {
		return nil
	}
	at := -1
	way := func(write func(i int) int) string {
		return c.difference(func(upper []int, i int) (int, bool, bool) {
			if upper[i] > 0 {
				return 0, false, opened(upper, i)
			}
			if at < 0 {
				at = i
			}
			return write(i), true, true
		})
	}
	number, nothing := way(func(i int) int { return c.rows[1][i] }), way(func(int) int { return 0 })
	if at < 0 {
		return nil
	}
	where := say.PlaceName("place", c.at(at))
	return append(other("number", number, c.right(), where), other("nothing", nothing, c.right(), where)...)
}

// adding follows a rule for numbers that are written place under place.
func adding(find func(columns) []found) func(Problem) []found {
	return func(p Problem) []found {
		c, ok := columnsOf(p.Args)
		if !ok {
			return nil
		}
		return find(c)
	}
}

var addition = []Rule{
	{"new-one-lost", []string{"column-add"}, adding(func(c columns) []found {
		digits, first := c.sums(func(sum int) int { return sum % 10 })
		return other("", c.text(digits), c.sum(), say.PlaceName("place", c.at(first)), next(c.at(first)))
	})},
	{"two-digits-in-a-place", []string{"column-add"}, adding(func(c columns) []found {
		digits, first := c.sums(func(sum int) int { return sum })
		return other("", c.text(digits), c.sum(), say.PlaceName("place", c.at(first)))
	})},
	{"wrong-digit-kept", []string{"column-add"}, adding(func(c columns) []found {
		passed, first := 0, -1
		var digits []int
		for i := range c.rows[0] {
			sum := passed + c.column(i)
			if passed = 0; sum >= 10 {
				if first < 0 {
					first = i
				}
				sum, passed = sum/10, sum%10
			}
			digits = append(digits, sum)
		}
		if first < 0 {
			return nil
		}
		if passed > 0 {
			digits = append(digits, passed)
		}
		return other("", c.text(digits), c.sum(), say.Int("sum", say.Given, c.column(first)),
			say.PlaceName("place", c.at(first)))
	})},
}

// sums are what is written where each column is added alone: the largest is written whole,
// the others as they are kept. First is the first column that comes to ten or more.
func (c columns) sums(keep func(sum int) int) (digits []int, first int) {
	first = 0
	full := false
	for i := range c.rows[0] {
		sum := c.column(i)
		if sum >= 10 && !full {
			first, full = i, true
		}
		if i < len(c.rows[0])-1 {
			sum = keep(sum)
		}
		digits = append(digits, sum)
	}
	return digits, first
}

// next is the name of the place above.
func next(p place.Place) say.Value { return say.PlaceName("next", min(p+1, place.Largest)) }

var aligned = []Rule{{"edges-aligned", []string{"column-add", "column-subtract"}, func(p Problem) []found {
	c, ok := columnsOf(p.Args)
	if !ok {
		return nil
	}
	// Written without their points, each as many digits: zeros are put at the right of whole
	// numbers, and decimals keep the longer one's point.
	texts := make([]string, len(c.numbers))
	decimals, long := 0, 0
	for i, n := range c.numbers {
		texts[i] = strings.ReplaceAll(n.String(), ".", "")
		decimals, long = max(decimals, n.Decimals), max(long, len(texts[i]))
	}
	short := -1
	for i, n := range c.numbers {
		if decimals > 0 && n.Decimals < decimals || decimals == 0 && len(texts[i]) < long {
			short = i
		}
		if decimals == 0 {
			texts[i] += strings.Repeat("0", long-len(texts[i]))
		}
	}
	if short < 0 {
		return nil
	}
	wrong, right := c.worked(texts, decimals, p.Method)
	digit := strings.TrimLeft(strings.ReplaceAll(c.numbers[short].String(), ".", ""), "0")
	if digit == "" {
		return nil
	}
	return other("", wrong, right, say.Text("digit", say.Given, digit[:1]))
}}}

// worked is the answer to numbers that were lined up so, and the right one.
func (c columns) worked(texts []string, decimals int, method string) (wrong, right string) {
	values := make([]int, len(texts))
	for i, text := range texts {
		v, err := strconv.Atoi(text)
		if err != nil {
			return "", ""
		}
		values[i] = v
	}
	made := values[0]
	right = c.sum()
	for _, v := range values[1:] {
		if method == "column-add" {
			made += v
		} else {
			made -= v
		}
	}
	if method != "column-add" {
		right = c.right()
	}
	if made < 0 {
		return "", right
	}
	text := strconv.Itoa(made)
	if decimals > 0 {
		text = strings.Repeat("0", max(0, decimals+1-len(text))) + text
		text = text[:len(text)-decimals] + "." + text[len(text)-decimals:]
	}
	return plain(text), right
}
