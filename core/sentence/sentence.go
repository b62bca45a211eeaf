// Package sentence reads number sentences as a class writes them, judges them
// and completes them: =, <, >, ≈ between sums, differences, products and
// quotients, either side first, one unknown anywhere, with units of measure, names
// of places and remainders. Values are exact.
package sentence

import (
	"fmt"
	"math/big"
	"slices"
	"strings"
	"unicode"
	"unicode/utf8"

	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Unknown is how an unknown is written; "?" and "_" are read as one too.
const Unknown = "□"

// Sentence is sides with the relations between them: 3 + 4 = 7, or a chain.
type Sentence struct {
	Sides     []Side
	Relations []rune // '=', '<', '>' or '≈'
}

// Side is terms from left to right with the operations between them, or a quotient with
// what is left over.
type Side struct {
	Terms     []Term
	Ops       []rune // '+', '−', '×', '÷'
	Remainder *Term  // of 21 r 1, the 1
	LeftOver  string // and the word before it, as it was written
}

// Term is a written number or the unknown, with a unit where one is written after it; or a
// number told by its places, as 3 tens 6 ones.
type Term struct {
	Number  place.Written
	Unknown bool
	// Word is what is written after the number: cm, or thousands.
	Word string
	unit unit
	// Form is a number told by several places.
	Form place.UnitForm
}

// String writes the sentence in our signs.
func (s Sentence) String() string {
	var b strings.Builder
	for i, side := range s.Sides {
		if i > 0 {
			fmt.Fprintf(&b, " %c ", s.Relations[i-1])
		}
		b.WriteString(side.String())
	}
	return b.String()
}

// String writes the side.
func (s Side) String() string {
	var b strings.Builder
	for i, t := range s.Terms {
		if i > 0 {
			fmt.Fprintf(&b, " %c ", s.Ops[i-1])
		}
		b.WriteString(t.String())
	}
	if s.Remainder != nil {
		b.WriteString(" " + s.LeftOver + " " + s.Remainder.String())
	}
	return b.String()
}

// String writes the term.
func (t Term) String() string {
	text := t.Number.String()
	switch {
	case t.Form != nil:
		return t.Form.String()
	case t.Unknown:
		text = Unknown
	}
	if t.Word != "" {
		text += " " + t.Word
	}
	return text
}

// signs are the ways in which a class or a keyboard writes each sign.
var signs = strings.NewReplacer("-", "−", "–", "−", "*", "×", "x", "×", "X", "×", "·", "×", "/", "÷", ":", "÷", "?",
	Unknown, "_", Unknown)

// Parse reads a sentence. Errors are refusals that quote the part at fault.
func Parse(text string) (Sentence, error) {
	var s Sentence
	rest := signs.Replace(text)
	for {
		i := strings.IndexAny(rest, "=<>≈")
		part := rest
		if i >= 0 {
			part = rest[:i]
		}
		side, err := parseSide(part)
		if err != nil {
			return s, err
		}
		s.Sides = append(s.Sides, side)
		if i < 0 {
			break
		}
		r, size := utf8.DecodeRuneInString(rest[i:])
		s.Relations = append(s.Relations, r)
		rest = rest[i+size:]
	}
	switch {
	case len(s.Sides) < 2:
		return s, say.Refuse("sentence-relation", say.Text("text", say.Given, strings.TrimSpace(text)))
	case len(s.Sides) > 6:
		return s, say.Refuse("sentence-long")
	case s.unknowns() > 1:
		return s, say.Refuse("sentence-unknowns", say.Int("n", say.Given, s.unknowns()))
	case s.hasRemainder() && !s.isDivision():
		return s, say.Refuse("sentence-remainder")
	}
	return s, nil
}

func (s Sentence) hasRemainder() bool {
	return slices.ContainsFunc(s.Sides, func(side Side) bool { return side.Remainder != nil })
}

func parseSide(text string) (Side, error) {
	var s Side
	if quotient, word, left := cutRemainder(text); word != "" {
		r, err := parseTerm(strings.TrimSpace(left))
		if err != nil {
			return s, err
		}
		s.Remainder, s.LeftOver, text = &r, word, quotient
	}
	for _, field := range strings.FieldsFunc(text, isOperator) {
		if field = strings.TrimSpace(field); field == "" {
			continue
		}
		t, err := parseTerm(field)
		if err != nil {
			return s, err
		}
		s.Terms = append(s.Terms, t)
	}
	for _, r := range text {
		if isOperator(r) {
			s.Ops = append(s.Ops, r)
		}
	}
	if len(s.Terms) == 0 || len(s.Ops) != len(s.Terms)-1 || len(s.Terms) > 12 {
		return s, say.Refuse("sentence-side", say.Text("text", say.Given, strings.TrimSpace(text)))
	}
	return s, nil
}

func isOperator(r rune) bool { return strings.ContainsRune("+−×÷", r) }

func parseTerm(text string) (Term, error) {
	if w, err := place.Parse(text); err == nil {
		return Term{Number: w}, nil
	}
	amount, word := text, ""
	if i := strings.IndexFunc(text, unicode.IsLetter); i > 0 {
		amount, word = strings.TrimSpace(text[:i]), text[i:]
	}
	t := Term{Unknown: amount == Unknown, Word: word}
	if word != "" {
		var known bool
		if t.unit, known = unitOf(word); !known {
			return inPlaces(text)
		}
	}
	if t.Unknown {
		return t, nil
	}
	var err error
	if t.Number, err = place.Parse(amount); err != nil {
		return Term{}, say.Refuse("bad-number", say.Text("reason", say.Given, err.Error()+"."))
	}
	return t, nil
}

// inPlaces reads a number that is told by its places.
func inPlaces(text string) (Term, error) {
	form, err := place.ParseUnitForm(text)
	if err == nil {
		_, err = form.Total()
	}
	if err != nil {
		return Term{}, say.Refuse("bad-number", say.Text("reason", say.Given, err.Error()+"."))
	}
	return Term{Form: form}, nil
}

func (s Sentence) unknowns() int {
	n := 0
	for _, side := range s.Sides {
		for _, t := range side.all() {
			if t.Unknown {
				n++
			}
		}
	}
	return n
}

// all are the terms of a side, what is left over among them.
func (s Side) all() []Term {
	if s.Remainder == nil {
		return s.Terms
	}
	return append(slices.Clip(s.Terms), *s.Remainder)
}

func (s Side) hasUnknown() bool {
	return slices.ContainsFunc(s.all(), func(t Term) bool { return t.Unknown })
}

// value is (p·x + q) / (r·x + t) in the unknown x: with one unknown, every step
// has a plain number on one side, and so the form is kept. What it measures is told by of.
type value struct {
	p, q, r, t *big.Rat
	of         measure
}

func plain(v *big.Rat) value {
	return value{p: new(big.Rat), q: v, r: new(big.Rat), t: big.NewRat(1, 1)}
}

func ratOf(n place.Number) *big.Rat {
	return big.NewRat(int64(n.Count(place.Thousandths)), 1000)
}

var unknown = value{p: big.NewRat(1, 1), q: new(big.Rat), r: new(big.Rat), t: big.NewRat(1, 1)}

// isPlain reports whether the value does not depend on the unknown.
func (v value) isPlain() bool { return v.p.Sign() == 0 && v.r.Sign() == 0 }

func (v value) rat() *big.Rat { return new(big.Rat).Quo(v.q, v.t) }

func mul(a, b *big.Rat) *big.Rat { return new(big.Rat).Mul(a, b) }
func add(a, b *big.Rat) *big.Rat { return new(big.Rat).Add(a, b) }

// plus adds b times sign; one of the two is plain, so that no x² comes up.
func (v value) plus(b value, sign int64) value {
	s := big.NewRat(sign, 1)
	return value{
		add(add(mul(v.p, b.t), mul(v.q, b.r)), mul(s, add(mul(b.p, v.t), mul(b.q, v.r)))),
		add(mul(v.q, b.t), mul(s, mul(b.q, v.t))),
		add(mul(v.r, b.t), mul(b.r, v.t)),
		mul(v.t, b.t), v.of,
	}
}

func (v value) times(b value) value {
	return value{
		add(mul(v.p, b.q), mul(v.q, b.p)), mul(v.q, b.q),
		add(mul(v.r, b.t), mul(v.t, b.r)), mul(v.t, b.t), v.of + b.of,
	}
}

func (v value) inverse() value { return value{v.r, v.t, v.p, v.q, v.of} }

// eval works a side: × and ÷ before + and −, from left to right.
func (s Side) eval() (value, error) {
	var sum *value
	op := '+'
	for i := 0; i < len(s.Terms); {
		product, next, err := s.product(i)
		if err != nil {
			return value{}, err
		}
		switch {
		case sum == nil:
			sum = &product
		case sum.of != product.of:
			return value{}, unlike(sum.of, product.of)
		case op == '+':
			*sum = sum.plus(product, 1)
		default:
			*sum = sum.plus(product, -1)
		}
		if i = next; i < len(s.Terms) {
			op = s.Ops[i-1]
		}
	}
	return *sum, nil
}

// product works the terms from i that are joined by × and ÷.
func (s Side) product(i int) (value, int, error) {
	v := s.Terms[i].value()
	for i++; i < len(s.Terms) && (s.Ops[i-1] == '×' || s.Ops[i-1] == '÷'); i++ {
		w := s.Terms[i].value()
		if s.Ops[i-1] == '÷' {
			if w.isPlain() && w.q.Sign() == 0 {
				return v, i, say.Refuse("by-zero")
			}
			w = w.inverse()
			switch {
			case w.of == v.of:
				v.of, w.of = plainly, plainly
			case w.of != plainly:
				return v, i, unlike(v.of, w.of)
			}
		}
		if v.of != plainly && w.of != plainly {
			return v, i, unlike(v.of, w.of)
		}
		v = v.times(w)
	}
	return v, i, nil
}

func (t Term) value() value {
	v := unknown
	switch {
	case t.Form != nil:
		total, _ := t.Form.Total() // it was read
		return plain(ratOf(total))
	case !t.Unknown:
		v = plain(ratOf(t.Number.Number))
	}
	if t.Word == "" {
		return v
	}
	v = v.times(plain(t.unit.size))
	v.of = t.unit.of
	return v
}
