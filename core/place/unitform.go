package place

import (
	"fmt"
	"strconv"
	"strings"
)

// Count is so many pieces of one place: 12 tens.
type Count struct {
	Place Place `json:"place"`
	Count int   `json:"count"`
}

// String is the count with its word: "12 tens", "1 hundred".
func (c Count) String() string {
	if c.Count == 1 {
		return "1 " + c.Place.Singular()
	}
	return strconv.Itoa(c.Count) + " " + c.Place.Plural()
}

// Value is what the pieces are worth together, or ErrRange.
func (c Count) Value() (Number, error) { return c.Place.Value().Times(c.Count) }

// Ones is how many ones the pieces come to; a part of one is left out.
func (c Count) Ones() int {
	value, _ := c.Value()
	ones, _ := value.Whole()
	return ones
}

// UnitForm is a number as counts of places, which need not be regrouped:
// 3 hundreds 12 ones. It is kept largest place first, empty places left out.
type UnitForm []Count

// UnitForm is the regrouped unit form of n: every count is a digit.
func (n Number) UnitForm() UnitForm {
	var counts [Largest - Smallest + 1]int
	for p := Largest; p >= Smallest; p-- {
		counts[p-Smallest] = n.Digit(p)
	}
	return FromCounts(func(p Place) int { return counts[p-Smallest] })
}

// FromCounts collects the places whose count is not 0, largest first.
func FromCounts(count func(Place) int) UnitForm {
	var u UnitForm
	for p := Largest; p >= Smallest; p-- {
		if c := count(p); c != 0 {
			u = append(u, Count{p, c})
		}
	}
	return u
}

// Of is the count at place p, 0 when there is none.
func (u UnitForm) Of(p Place) int {
	n := 0
	for _, c := range u {
		if c.Place == p {
			n += c.Count
		}
	}
	return n
}

// Total is the value of all counts, or ErrRange.
func (u UnitForm) Total() (Number, error) {
	var sum Number
	for _, c := range u {
		v, err := c.Value()
		if err != nil {
			return Number{}, err
		}
		if sum, err = sum.Add(v); err != nil {
			return Number{}, err
		}
	}
	return sum, nil
}

// Pieces is how many pieces the form asks for.
func (u UnitForm) Pieces() int {
	n := 0
	for _, c := range u {
		n += c.Count
	}
	return n
}

// String is "1 hundred 12 tens 13 ones", and "0 ones" for nothing at all.
func (u UnitForm) String() string {
	if len(u) == 0 {
		return "0 ones"
	}
	parts := make([]string, len(u))
	for i, c := range u {
		parts[i] = c.String()
	}
	return strings.Join(parts, " ")
}

// joints may stand between the counts of a unit form.
var joints = strings.NewReplacer(",", " ", " and ", " ", "+", " ")

// ParseUnitForm reads counts with their place words in any order: "14 tens 6
// ones", "2 hundreds, 14 tens". Each count is 0 to 9,999,999, each place
// appears once.
func ParseUnitForm(s string) (UnitForm, error) {
	var counts [Largest - Smallest + 1]int
	var seen [len(counts)]bool
	words := strings.Fields(joints.Replace(s))
	for i := 0; i < len(words); {
		n, err := strconv.Atoi(words[i])
		if err != nil || n < 0 || n > 9_999_999 {
			return nil, fmt.Errorf("“%s” is not a count in “%s”. Write it like 14 tens 6 ones", words[i], s)
		}
		end := i + 1
		for end < len(words) && !isDigits(words[end][:1]) && words[end][0] != '-' {
			end++
		}
		p, err := ParsePlace(strings.Join(words[i+1:end], " "))
		if err != nil {
			return nil, err
		}
		if seen[p-Smallest] {
			return nil, fmt.Errorf("“%s” names the %s twice. Write each place once", s, p)
		}
		seen[p-Smallest], counts[p-Smallest] = true, n
		i = end
	}
	if len(words) == 0 {
		return nil, fmt.Errorf("there is nothing to build. Write a number like 146, or 14 tens 6 ones")
	}
	u := FromCounts(func(p Place) int { return counts[p-Smallest] })
	if _, err := u.Total(); err != nil {
		return nil, fmt.Errorf("“%s” is out of range: %w", s, err)
	}
	return u, nil
}

// List parts a typed list of amounts at semicolons, or at commas with a space after
// them: "38, 74" is two.
func List(s string) []string {
	sign := ", "
	if strings.Contains(s, ";") {
		sign = ";"
	}
	var list []string
	for _, one := range strings.Split(s, sign) {
		if one = strings.TrimSpace(one); one != "" {
			list = append(list, one)
		}
	}
	return list
}

// ParseAmount reads a numeral or a unit form; a numeral becomes its regrouped
// unit form.
func ParseAmount(s string) (UnitForm, error) {
	if strings.IndexFunc(s, func(r rune) bool { return r >= 'a' && r <= 'z' || r >= 'A' && r <= 'Z' }) >= 0 {
		return ParseUnitForm(s)
	}
	w, err := Parse(s)
	if err != nil {
		return nil, err
	}
	return w.UnitForm(), nil
}
