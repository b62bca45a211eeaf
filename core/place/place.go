// Package place holds exact numbers by place, and the forms in which a class
// writes and says them. A Number is a whole count of thousandths, so nothing
// here is ever rounded.
package place

import (
	"fmt"
	"strings"
)

// Place is a power of ten: 0 is ones, 1 tens, 6 millions, -3 thousandths.
type Place int8

// The places that the core knows, largest last.
const (
	Thousandths Place = iota - 3
	Hundredths
	Tenths
	Ones
	Tens
	Hundreds
	Thousands
	TenThousands
	HundredThousands
	Millions
)

// Smallest and Largest bound every loop over places.
const (
	Smallest = Thousandths
	Largest  = Millions
)

var names = [...]string{
	"thousandth", "hundredth", "tenth", "one", "ten", "hundred",
	"thousand", "ten thousand", "hundred thousand", "million",
}

// Valid reports whether p is one of the ten places of the core.
func (p Place) Valid() bool { return p >= Smallest && p <= Largest }

// Singular is the name of one piece of the place: "ten".
func (p Place) Singular() string {
	if !p.Valid() {
		return fmt.Sprintf("place %d", int(p))
	}
	return names[p-Smallest]
}

// Plural is the name of the place and of several of its pieces: "tens".
func (p Place) Plural() string { return p.Singular() + "s" }

// String is the plural, which is also the JSON form.
func (p Place) String() string { return p.Plural() }

// MarshalText writes the plural name.
func (p Place) MarshalText() ([]byte, error) {
	if !p.Valid() {
		return nil, fmt.Errorf("%d is not a place from thousandths to millions", int(p))
	}
	return []byte(p.Plural()), nil
}

// UnmarshalText reads a singular or plural name in any letter case.
func (p *Place) UnmarshalText(text []byte) error {
	found, err := ParsePlace(string(text))
	if err == nil {
		*p = found
	}
	return err
}

// ParsePlace reads a singular or plural place name. "unit" and "units" are
// read as ones, since many classrooms say so.
func ParsePlace(s string) (Place, error) {
	want := strings.ToLower(strings.Join(strings.Fields(s), " "))
	if want == "unit" || want == "units" {
		return Ones, nil
	}
	for i, name := range names {
		if want == name || want == name+"s" {
			return Smallest + Place(i), nil
		}
	}
	return 0, fmt.Errorf("“%s” is not a place. Use a name from thousandths to millions, like ones, tens or hundreds", s)
}

// milli is the value of one piece of the place, in thousandths.
func (p Place) milli() int64 {
	v := int64(1)
	for i := Smallest; i < p; i++ {
		v *= 10
	}
	return v
}

// Value is one piece of the place as a number.
func (p Place) Value() Number { return Number{p.milli()} }
