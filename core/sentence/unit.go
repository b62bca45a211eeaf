package sentence

import (
	"math/big"
	"strings"
	"unicode/utf8"

	"unitbloom/core/place"
	"unitbloom/core/say"
)

// measure is what a number with a unit measures; a number alone, or with the name of a
// place, counts plainly.
type measure string

const (
	plainly  measure = ""
	length   measure = "m"
	mass     measure = "g"
	capacity measure = "l"
	time     measure = "min"
)

// unit is a unit of measure or the name of a place: what it measures, how many of the first unit of its kind
// one of it is, and what one of it is called, where that is not the name of a place.
type unit struct {
	of   measure
	size *big.Rat
	name string
}

// units are those of primary school, as they are written.
var units = map[string]unit{
	"mm": {length, big.NewRat(1, 1000), "millimetre"}, "cm": {length, big.NewRat(1, 100), "centimetre"},
	"dm": {length, big.NewRat(1, 10), "decimetre"}, "m": {length, big.NewRat(1, 1), "metre"},
	"km": {length, big.NewRat(1000, 1), "kilometre"},
	"mg": {mass, big.NewRat(1, 1000), "milligram"}, "g": {mass, big.NewRat(1, 1), "gram"},
	"kg": {mass, big.NewRat(1000, 1), "kilogram"}, "t": {mass, big.NewRat(1_000_000, 1), "tonne"},
	"ml": {capacity, big.NewRat(1, 1000), "millilitre"}, "cl": {capacity, big.NewRat(1, 100), "centilitre"},
	"l": {capacity, big.NewRat(1, 1), "litre"},
	"s": {time, big.NewRat(1, 60), "second"}, "min": {time, big.NewRat(1, 1), "minute"},
	"h": {time, big.NewRat(60, 1), "hour"},
}

func unitOf(word string) (unit, bool) {
	if u, ok := units[strings.ToLower(word)]; ok {
		return u, true
	}
	p, err := place.ParsePlace(word)
	if err != nil {
		return unit{}, false
	}
	return unit{of: plainly, size: ratOf(p.Value())}, true
}

// unlike refuses two kinds that are set side by side.
func unlike(a, b measure) error {
	if a == plainly {
		a, b = b, a
	}
	if b == plainly {
		return say.Refuse("sentence-unit", say.Text("unit", say.Given, string(a)))
	}
	if a == b {
		return say.Refuse("sentence-square", say.Text("unit", say.Given, string(a)))
	}
	return say.Refuse("sentence-kinds", say.Text("a", say.Given, string(a)), say.Text("b", say.Given, string(b)))
}

// remainders are the ways in which what is left over is written after a quotient.
var remainders = []string{"remainder", "rem", "r", "R"}

// cutRemainder parts a quotient from what is left over, as in 21 r 1, and tells the word between them.
func cutRemainder(text string) (quotient, word, left string) {
	for _, sign := range remainders {
		before, after, has := strings.Cut(text, sign)
		before, after = strings.TrimSpace(before), strings.TrimSpace(after)
		if has && endsInAmount(before) && beginsWithAmount(after) {
			return before, sign, after
		}
	}
	return text, "", ""
}

func endsInAmount(text string) bool {
	r, _ := utf8.DecodeLastRuneInString(text)
	return isAmount(r)
}

func beginsWithAmount(text string) bool {
	r, _ := utf8.DecodeRuneInString(text)
	return isAmount(r)
}

// isAmount reports whether a sign is a digit or the unknown.
func isAmount(r rune) bool { return r >= '0' && r <= '9' || string(r) == Unknown }

// isDivision reports whether the sentence is a division with a remainder: a ÷ b = q r n,
// either side first.
func (s Sentence) isDivision() bool {
	_, _, ok := s.division()
	return ok
}

// division is the side of the division, and the one of the quotient.
func (s Sentence) division() (of, into Side, ok bool) {
	if len(s.Sides) != 2 || s.Relations[0] != '=' {
		return of, into, false
	}
	of, into = s.Sides[0], s.Sides[1]
	if of.Remainder != nil {
		of, into = into, of
	}
	ok = of.Remainder == nil && into.Remainder != nil && len(into.Terms) == 1 && len(of.Terms) == 2 && of.Ops[0] == '÷'
	return of, into, ok
}

// judgeDivision judges a division with a remainder: the quotient times the divisor and what
// is left over make the dividend, all are whole, and less is left than would make one more.
func (s Sentence) judgeDivision(v *Verdict) {
	of, into, _ := s.division()
	terms := []Term{of.Terms[0], of.Terms[1], into.Terms[0], *into.Remainder}
	at, n := -1, [4]*big.Rat{}
	for i, t := range terms {
		if t.Unknown {
			at = i
			continue
		}
		n[i] = t.value().rat()
	}
	const dividend, divisor, quotient, left = 0, 1, 2, 3
	sub := func(a, b *big.Rat) *big.Rat { return new(big.Rat).Sub(a, b) }
	quo := func(a, b *big.Rat) *big.Rat {
		if b.Sign() == 0 {
			return big.NewRat(-1, 1)
		}
		return new(big.Rat).Quo(a, b)
	}
	switch at {
	case dividend:
		n[dividend] = add(mul(n[quotient], n[divisor]), n[left])
	case divisor:
		n[divisor] = quo(sub(n[dividend], n[left]), n[quotient])
	case quotient:
		n[quotient] = quo(sub(n[dividend], n[left]), n[divisor])
	case left:
		n[left] = sub(n[dividend], mul(n[quotient], n[divisor]))
	}
	right := true
	for _, x := range n {
		right = right && x.IsInt() && x.Sign() >= 0
	}
	fits := right && n[left].Cmp(n[divisor]) < 0
	same := right && add(mul(n[quotient], n[divisor]), n[left]).Cmp(n[dividend]) == 0
	switch {
	case at >= 0 && fits && same:
		answer, ok := number(n[at])
		if !ok {
			v.State, v.Said = "claimed", say.New("sentence.none")
			return
		}
		v.State, v.Answer = "open", answer.String()
		v.Solved = strings.Replace(v.Text, Unknown, answer.String(), 1)
		v.Said = say.New("sentence.open", say.Text("n", say.Answer, answer.String()))
	case at >= 0:
		v.State, v.Said = "claimed", say.New("sentence.none")
	case fits && same:
		v.State, v.Said = "true", say.New("sentence.true")
	case same:
		v.State, v.Said = "false", say.New("sentence.left-too-many", say.Text("n", say.Amount, written(n[left])),
			say.Text("by", say.Amount, written(n[divisor])))
	default:
		v.State, v.Said = "false", say.New("sentence.left-false", say.Text("q", say.Amount, written(n[quotient])),
			say.Text("by", say.Amount, written(n[divisor])), say.Text("left", say.Amount, written(n[left])),
			say.Text("value", say.Amount, written(add(mul(n[quotient], n[divisor]), n[left]))),
			say.Text("a", say.Amount, written(n[dividend])))
	}
}

// near reports whether one number stands well for another: they are less than a tenth of the
// larger apart, or one is the other rounded to its first place. Both are what a class does
// when it estimates.
func near(a, b *big.Rat) bool {
	size := func(v *big.Rat) *big.Rat { return new(big.Rat).Abs(v) }
	larger := size(a)
	if size(b).Cmp(larger) > 0 {
		larger = size(b)
	}
	apart := size(new(big.Rat).Sub(a, b))
	if a.Cmp(b) == 0 || mul(apart, big.NewRat(10, 1)).Cmp(larger) < 0 {
		return true
	}
	return toFirst(a).Cmp(b) == 0 || toFirst(b).Cmp(a) == 0
}

// toFirst rounds a number to the place of its first digit, half up.
func toFirst(v *big.Rat) *big.Rat {
	if v.Sign() <= 0 {
		return v
	}
	ten, one := big.NewRat(10, 1), big.NewRat(1, 1)
	for v.Cmp(new(big.Rat).Mul(one, ten)) >= 0 {
		one = new(big.Rat).Mul(one, ten)
	}
	for v.Cmp(one) < 0 {
		one = new(big.Rat).Quo(one, ten)
	}
	half := add(new(big.Rat).Quo(v, one), big.NewRat(1, 2))
	return mul(new(big.Rat).SetInt(new(big.Int).Quo(half.Num(), half.Denom())), one)
}
