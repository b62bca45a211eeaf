package place

import (
	"errors"
	"fmt"
	"math/bits"
	"strconv"
	"strings"
)

// Number is an exact decimal from 0 to 9,999,999.999. The zero value is 0.
// Numbers compare with ==. Its text form has no thousands separators and no
// zeros that need not be written: "4070", "0.5".
type Number struct{ thousandths int64 }

const maxThousandths = 9_999_999_999

// Max is the largest number of the core, 9,999,999.999.
var Max = Number{maxThousandths}

// ErrRange is in every error about a number outside 0 to 9,999,999.999.
var ErrRange = errors.New("the number must be from 0 to 9999999.999")

// FromInt makes a number of whole ones. It fails with ErrRange when n is
// negative or above 9,999,999.
func FromInt(n int) (Number, error) {
	if n < 0 || n > maxThousandths/1000 {
		return Number{}, fmt.Errorf("%d is out of range: %w", n, ErrRange)
	}
	return Number{int64(n) * 1000}, nil
}

// Int is FromInt for constants and counts already known to fit.
func Int(n int) Number {
	v, err := FromInt(n)
	if err != nil {
		panic(err)
	}
	return v
}

// Add is the exact sum, or ErrRange.
func (n Number) Add(m Number) (Number, error) { return inRange(n.thousandths + m.thousandths) }

// Sub is the exact difference, or ErrRange when m is larger than n.
func (n Number) Sub(m Number) (Number, error) { return inRange(n.thousandths - m.thousandths) }

// Times is the exact product with a whole count, or ErrRange.
func (n Number) Times(count int) (Number, error) {
	if count < 0 {
		return Number{}, ErrRange
	}
	hi, lo := bits.Mul64(uint64(n.thousandths), uint64(count))
	if hi != 0 || lo > maxThousandths {
		return Number{}, ErrRange
	}
	return Number{int64(lo)}, nil
}

// Shift is the number times 10 to the power by, exactly, or ErrRange when it
// leaves the range at either end.
func (n Number) Shift(by int) (Number, error) {
	v := n.thousandths
	for ; by > 0 && v <= maxThousandths; by-- {
		v *= 10
	}
	for ; by < 0; by++ {
		if v%10 != 0 {
			return Number{}, ErrRange
		}
		v /= 10
	}
	return inRange(v)
}

func inRange(v int64) (Number, error) {
	if v < 0 || v > maxThousandths {
		return Number{}, ErrRange
	}
	return Number{v}, nil
}

// Cmp is -1, 0 or +1 as n is smaller than, equal to or larger than m.
func (n Number) Cmp(m Number) int {
	switch {
	case n.thousandths < m.thousandths:
		return -1
	case n.thousandths > m.thousandths:
		return 1
	}
	return 0
}

// IsZero reports whether n is 0.
func (n Number) IsZero() bool { return n.thousandths == 0 }

// Whole reports whether n is a whole number of ones, and which.
func (n Number) Whole() (ones int, ok bool) {
	return int(n.thousandths / 1000), n.thousandths%1000 == 0
}

// Digit is the digit that stands at place p, 0 to 9.
func (n Number) Digit(p Place) int { return int(n.thousandths / p.milli() % 10) }

// Count is how many whole pieces of place p are in n: 146 has 14 tens.
func (n Number) Count(p Place) int { return int(n.thousandths / p.milli()) }

// Top is the largest place with a digit other than 0, and Ones for anything
// below one.
func (n Number) Top() Place {
	for p := Largest; p > Ones; p-- {
		if n.Digit(p) != 0 {
			return p
		}
	}
	return Ones
}

// decimals is how many decimals must be written, 0 to 3.
func (n Number) decimals() int {
	d := 0
	for p := Tenths; p >= Smallest; p-- {
		if n.Digit(p) != 0 {
			d = int(-p)
		}
	}
	return d
}

// String is the numeral without needless zeros.
func (n Number) String() string { return n.text(n.decimals()) }

func (n Number) text(decimals int) string {
	whole := strconv.FormatInt(n.thousandths/1000, 10)
	if decimals == 0 {
		return whole
	}
	return whole + "." + fmt.Sprintf("%03d", n.thousandths%1000)[:decimals]
}

// MarshalText writes the numeral.
func (n Number) MarshalText() ([]byte, error) { return []byte(n.String()), nil }

// UnmarshalText reads what Parse reads and drops the written form.
func (n *Number) UnmarshalText(text []byte) error {
	w, err := Parse(string(text))
	if err == nil {
		*n = w.Number
	}
	return err
}

// Written is a number together with the decimals that were written, so that
// 40.00 stays 40.00 on the board and is still equal to 40 in value.
type Written struct {
	Number
	Decimals int
}

// String is the numeral as it was written.
func (w Written) String() string { return w.text(max(w.Decimals, w.decimals())) }

// Parse reads a numeral as a teacher writes it: digits, an optional point, and
// spaces, thin spaces or commas between whole groups of three ("4 002",
// "9,999,999", "3.05"). Errors quote the input.
func Parse(s string) (Written, error) {
	text := strings.TrimSpace(s)
	if text == "" {
		return Written{}, errors.New("there is no number here. Write digits, like 146 or 3.05")
	}
	if rest, ok := strings.CutPrefix(text, "-"); ok && isDigits(strings.Replace(rest, ".", "", 1)) {
		return Written{}, fmt.Errorf("“%s” is below 0: %w", s, ErrRange)
	}
	whole, decimals, point := strings.Cut(text, ".")
	whole, ok := ungroup(whole)
	if !ok || point && decimals == "" || !isDigits(decimals) {
		return Written{}, fmt.Errorf("“%s” is not a number. Write digits, like 146 or 3.05", s)
	}
	if len(decimals) > 3 {
		return Written{}, fmt.Errorf("“%s” has %d decimals. Numbers here go to thousandths: at most 3 decimals", s,
			len(decimals))
	}
	whole = strings.TrimLeft(whole, "0")
	if len(whole) > 7 {
		return Written{}, fmt.Errorf("“%s” is out of range: %w", s, ErrRange)
	}
	v, err := strconv.ParseInt("0"+whole+(decimals + "000")[:3], 10, 64)
	if err != nil {
		return Written{}, fmt.Errorf("“%s” is not a number. Write digits, like 146 or 3.05", s)
	}
	return Written{Number{v}, len(decimals)}, nil
}

// ungroup removes separators, and refuses them anywhere but before whole
// groups of three digits, so that "1,46" is not silently read as 146.
func ungroup(s string) (string, bool) {
	groups := strings.FieldsFunc(s, isSeparator)
	if len(groups) == 0 || len(strings.Join(groups, ""))+len(groups)-1 != len([]rune(s)) {
		return "", false
	}
	for i, g := range groups {
		if !isDigits(g) || g == "" || i > 0 && len(g) != 3 || i == 0 && len(groups) > 1 && len(g) > 3 {
			return "", false
		}
	}
	return strings.Join(groups, ""), true
}

func isSeparator(r rune) bool {
	return r == ' ' || r == ',' || r == '\u2009' || r == '\u202f' || r == '\u00a0'
}

func isDigits(s string) bool {
	for _, r := range s {
		if r < '0' || r > '9' {
			return false
		}
	}
	return true
}
