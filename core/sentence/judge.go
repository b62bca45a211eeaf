package sentence

import (
	"math/big"
	"strconv"
	"strings"

	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Verdict is what a sentence comes to.
type Verdict struct {
	Sentence Sentence
	Text     string // the sentence in our signs
	// State is "true", "false", "open" (an unknown that one number fills) or
	// "claimed" (an unknown that none or many numbers fill).
	State string
	// Solved is the sentence with its unknown filled, and Answer the number.
	Solved, Answer string
	// Arrow is a chain of false equalities written with arrows, as true steps.
	Arrow string
	Said  say.Message
	// Values are what the sides come to, where they have no unknown.
	Values []string
}

// Judge parses a sentence and judges it against itself.
func Judge(text string) (Verdict, error) {
	s, err := Parse(text)
	if err != nil {
		return Verdict{}, err
	}
	v := Verdict{Sentence: s, Text: s.String()}
	if s.hasRemainder() {
		s.judgeDivision(&v)
		return v, nil
	}
	values := make([]value, len(s.Sides))
	for i, side := range s.Sides {
		if values[i], err = side.eval(); err != nil {
			return Verdict{}, err
		}
		if i > 0 && values[i].of != values[0].of {
			return Verdict{}, unlike(values[0].of, values[i].of)
		}
		if values[i].isPlain() && values[i].of == plainly {
			v.Values = append(v.Values, written(values[i].rat()))
		}
	}
	if s.unknowns() == 1 {
		s.complete(values, &v)
		return v, nil
	}
	v.State = "true"
	v.Said = say.New("sentence.true")
	for i, r := range s.Relations {
		if !holds(values[i].rat(), r, values[i+1].rat()) {
			v.State = "false"
			id := "sentence.false"
			if r == '≈' {
				id = "sentence.far"
			}
			v.Said = say.New(id, say.Text("left", say.Amount, s.Sides[i].String()),
				say.Text("value", say.Amount, values[i].written()),
				say.Text("right", say.Amount, s.Sides[i+1].String()), say.Text("other", say.Amount, values[i+1].written()))
			v.Arrow = s.arrow(values)
			break
		}
	}
	return v, nil
}

func holds(a *big.Rat, r rune, b *big.Rat) bool {
	switch r {
	case '<':
		return a.Cmp(b) < 0
	case '>':
		return a.Cmp(b) > 0
	case '≈':
		return near(a, b)
	}
	return a.Cmp(b) == 0
}

// written is a value with the first unit of its kind.
func (v value) written() string {
	if v.of == plainly {
		return written(v.rat())
	}
	return written(v.rat()) + " " + string(v.of)
}

// written is a value as a numeral, or as a quotient where it does not end.
func written(v *big.Rat) string {
	if text, ok := decimal(v); ok {
		return text
	}
	return digits(v.Num()) + " ÷ " + digits(v.Denom())
}

// decimal writes a value with as many decimals as it has, when they are three at most.
func decimal(v *big.Rat) (text string, ok bool) {
	thousandths := new(big.Rat).Mul(v, big.NewRat(1000, 1))
	if !thousandths.IsInt() {
		return "", false
	}
	ones, rest := new(big.Int).QuoRem(thousandths.Num(), big.NewInt(1000), new(big.Int))
	text = digits(ones)
	if v.Sign() < 0 && ones.Sign() == 0 {
		text = "−0"
	}
	if rest.Sign() == 0 {
		return text, true
	}
	part := strconv.FormatInt(1000+rest.Abs(rest).Int64(), 10)[1:]
	return text + "." + strings.TrimRight(part, "0"), true
}

// digits writes an integer, with its sign. It is put together here: for the largest of
// numbers the library brings powers and inverses into a module that has no use for them.
func digits(n *big.Int) string {
	if n.Sign() < 0 {
		return "−" + digits(new(big.Int).Neg(n))
	}
	if n.IsInt64() {
		return strconv.FormatInt(n.Int64(), 10)
	}
	head, last := new(big.Int).QuoRem(n, big.NewInt(10), new(big.Int))
	return digits(head) + strconv.FormatInt(last.Int64(), 10)
}

// number is the value as a number of the core, when it is one.
func number(v *big.Rat) (place.Number, bool) {
	text, ok := decimal(v)
	if !ok {
		return place.Number{}, false
	}
	w, err := place.Parse(text)
	return w.Number, err == nil
}

// complete fills the unknown. In an equality one number may; beside < or > many
// do. The other sides of a chain must agree.
func (s Sentence) complete(values []value, v *Verdict) {
	at := 0
	for i, side := range s.Sides {
		if side.hasUnknown() {
			at = i
		}
	}
	v.State, v.Said = "claimed", say.New("sentence.many")
	var goal *big.Rat
	for i, r := range s.Relations {
		if i != at && i+1 != at {
			if !holds(values[i].rat(), r, values[i+1].rat()) {
				v.State, v.Said = "false", say.New("sentence.none")
				return
			}
			continue
		}
		if r != '=' {
			return
		}
		other := values[i]
		if i == at {
			other = values[i+1]
		}
		if goal != nil && goal.Cmp(other.rat()) != 0 {
			v.State, v.Said = "false", say.New("sentence.none")
			return
		}
		goal = other.rat()
	}
	x := values[at].solve(goal)
	if x == nil {
		v.Said = say.New("sentence.none")
		return
	}
	n, ok := number(x)
	if !ok {
		v.Said = say.New("sentence.none")
		return
	}
	v.State, v.Answer = "open", n.String()
	v.Solved = strings.Replace(v.Text, Unknown, n.String(), 1)
	v.Said = say.New("sentence.open", say.Text("n", say.Answer, n.String()))
}

// solve finds x with (p·x + q) / (r·x + t) = goal, or nil when no one number
// does.
func (v value) solve(goal *big.Rat) *big.Rat {
	// p·x + q = goal·(r·x + t)
	a := add(v.p, mul(big.NewRat(-1, 1), mul(goal, v.r)))
	b := add(mul(goal, v.t), mul(big.NewRat(-1, 1), v.q))
	if a.Sign() == 0 {
		return nil
	}
	x := new(big.Rat).Quo(b, a)
	if add(mul(v.r, x), v.t).Sign() == 0 {
		return nil
	}
	return x
}

// arrow writes a false chain of equalities as steps that are true: where each
// side begins with what the one before came to. "3 + 4 = 7 + 2 = 9" becomes
// "3 + 4 → 7 + 2 → 9".
func (s Sentence) arrow(values []value) string {
	if len(s.Sides) < 3 {
		return ""
	}
	for i := 1; i < len(s.Sides); i++ {
		first := s.Sides[i].Terms[0]
		if s.Relations[i-1] != '=' || first.value().rat().Cmp(values[i-1].rat()) != 0 {
			return ""
		}
	}
	sides := make([]string, len(s.Sides))
	for i, side := range s.Sides {
		sides[i] = side.String()
	}
	return strings.Join(sides, " → ")
}

// Against judges a true sentence against what a model shows: one of its sides
// must come to the model's number.
func (v Verdict) Against(total place.Number) bool {
	for _, side := range v.Values {
		if side == total.String() {
			return true
		}
	}
	return v.Answer == total.String()
}

// Compare is the relation of two numbers with its sentence.
func Compare(a, b place.Number) string {
	return a.String() + " " + map[int]string{-1: "<", 0: "=", 1: ">"}[a.Cmp(b)] + " " + b.String()
}
