package method_test

import (
	"cmp"
	"encoding/json"
	"fmt"
	"math/big"
	"math/rand/v2"
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
	"unitbloom/core/say"
	"unitbloom/core/sentence"
	"unitbloom/internal/proptest"
	"unitbloom/internal/tally"
)

// trial is a way of drawing problems of a method, with the answer from
// arithmetic of the test's own: empty when the problem is to be refused.
type trial struct {
	draw   func(r *rand.Rand) []string
	answer func(args []string) string
	hard   [][]string
}

func num(s string) *big.Rat { v, _ := new(big.Rat).SetString(strings.ReplaceAll(s, " ", "")); return v }

func text(v *big.Rat) string {
	if v.IsInt() {
		return v.Num().String()
	}
	return strings.TrimRight(strings.TrimRight(v.FloatString(6), "0"), ".")
}

func itoa(n int) string { return strconv.Itoa(n) }

func upTo(r *rand.Rand, digits int) int { return r.IntN(pow10(1 + r.IntN(digits))) }

// decimal draws a number with up to so many decimals.
func decimal(r *rand.Rand, digits, decimals int) string {
	n := upTo(r, digits)
	d := r.IntN(decimals + 1)
	if d == 0 {
		return itoa(n)
	}
	return fmt.Sprintf("%d.%0*d", n, d, r.IntN(pow10(d)))
}

func fitsRange(v *big.Rat) bool {
	thousandths := new(big.Rat).Mul(v, big.NewRat(1000, 1))
	return v.Sign() >= 0 && thousandths.IsInt() && thousandths.Cmp(big.NewRat(9_999_999_999, 1)) <= 0
}

func divide(a, b string) string {
	q, rest := new(big.Int).QuoRem(num(a).Num(), num(b).Num(), new(big.Int))
	if rest.Sign() == 0 {
		return q.String()
	}
	return q.String() + " remainder " + rest.String()
}

func ints(args []string) []int {
	var out []int
	for _, a := range args {
		if n, err := strconv.Atoi(a); err == nil {
			out = append(out, n)
		}
	}
	return out
}

var trials = map[string]trial{
	"build": {
		func(r *rand.Rand) []string { return []string{decimal(r, 7, 3)} },
		func(a []string) string { return text(num(a[0])) },
		[][]string{{"0"}, {"9999"}, {"9999999.999"}, {"4070"}, {"0.005"}, {"40.00"}, {"10000000"}},
	},
	"read": {
		func(r *rand.Rand) []string {
			return []string{fmt.Sprintf("blocks %dth %dh %dt %do", r.IntN(3), r.IntN(12), r.IntN(14), 1+r.IntN(25))}
		},
		func(a []string) string {
			var th, h, t, o int
			if n, _ := fmt.Sscanf(a[0], "blocks %dth %dh %dt %do", &th, &h, &t, &o); n == 4 {
				return itoa(th*1000 + h*100 + t*10 + o)
			}
			return map[string]string{"rack 2: 6 8": "14", "counters 2x5: 7": "7", "discs 3o 5.h": "3.05", "blocks 0": "0",
				"cubes 5": "5", "cubes 2T 5a4b 3": "32"}[a[0]]
		},
		[][]string{{"rack 2: 6 8"}, {"counters 2x5: 7"}, {"discs 3o 5.h"}, {"blocks 0"}, {"cubes 5"}, {"cubes 2T 5a4b 3"},
			{"moon"}},
	},
	"count": {
		func(r *rand.Rand) []string {
			by := []int{1, 2, 3, 5, 7, 9, 10, 30, 100, 400, 1000, 2000, 25, 11, 99, 250, 2500, 101, 125}[r.IntN(19)]
			return []string{itoa(upTo(r, 4)), []string{"", "-", "−"}[r.IntN(3)] + itoa(by), itoa(1 + r.IntN(12))}
		},
		func(a []string) string {
			by := ints([]string{strings.TrimLeft(a[1], "-−")})[0]
			n := ints([]string{a[0], a[2]})
			end := n[0] + by*n[1]
			if strings.ContainsAny(a[1], "-−") {
				end = n[0] - by*n[1]
			}
			if by == 101 || by == 125 || end > 9999 || end < 0 {
				return ""
			}
			return itoa(end)
		},
		[][]string{{"95", "10", "3"}, {"990", "10", "2"}, {"0", "1", "30"}, {"9998", "1", "1"}, {"9998", "1", "2"},
			{"4", "9", "3"}, {"53", "-10", "5"}, {"53", "−10", "6"}, {"12", "-1", "12"}, {"1000", "-25", "3"},
			{"75", "25", "4"}, {"0", "-1", "1"}},
	},
	"teens": {
		func(r *rand.Rand) []string { return []string{itoa(9 + r.IntN(13))} },
		func(a []string) string {
			if a[0] == "run" {
				return "20"
			}
			if n := ints(a)[0]; n < 10 || n > 20 {
				return ""
			}
			return a[0]
		},
		[][]string{{"10"}, {"20"}, {"run"}, {"9"}, {"21"}},
	},
	"more-less": {
		func(r *rand.Rand) []string {
			args := []string{decimal(r, 5, 2)}
			for range 1 + r.IntN(5) {
				args = append(args, []string{"+", "-"}[r.IntN(2)]+[]string{"0.01", "0.1", "1", "10", "100", "1000"}[r.IntN(6)])
			}
			return args
		},
		func(a []string) string {
			starts := slices.IndexFunc(a, func(s string) bool { return strings.ContainsAny(s[:1], "+-") })
			if starts > 1 {
				// Each change is of its own start; the last is told.
				return text(new(big.Rat).Add(num(a[starts-1]), num(a[len(a)-1])))
			}
			sum := num(a[0])
			for _, c := range a[1:] {
				if sum.Add(sum, num(c)); !fitsRange(sum) {
					return ""
				}
			}
			return text(sum)
		},
		[][]string{{"296", "+10", "+10", "-100"}, {"0", "-1"}, {"9999999.999", "+0.01"}, {"1000", "-1"}, {"999", "+1", "-1"},
			{"0.99", "+0.01"}, {"296", "408", "+10", "-100"}, {"99", "5", "1", "+1"}},
	},
	"compare": {
		func(r *rand.Rand) []string {
			if r.IntN(4) == 0 {
				return []string{fmt.Sprintf("%d + %d", upTo(r, 2), upTo(r, 2)), fmt.Sprintf("%d + %d", upTo(r, 2), upTo(r, 2))}
			}
			return []string{decimal(r, 4, 3), decimal(r, 4, 3)}
		},
		func(a []string) string {
			value := func(s string) *big.Rat {
				v := new(big.Rat)
				for _, part := range strings.Split(s, "+") {
					v.Add(v, num(part))
				}
				return v
			}
			return []string{"<", "=", ">"}[value(a[0]).Cmp(value(a[1]))+1]
		},
		[][]string{{"408", "480"}, {"0.5", "0.45"}, {"7", "7"}, {"0", "0"}, {"7 + 5", "6 + 6"}, {"1000", "999"}},
	},
	"shift": {
		func(r *rand.Rand) []string {
			return []string{decimal(r, 6, 3), []string{"x", "/"}[r.IntN(2)], []string{"10", "100", "1000"}[r.IntN(3)]}
		},
		func(a []string) string {
			v := num(a[0])
			if a[1] == "x" {
				v.Mul(v, num(a[2]))
			} else {
				v.Quo(v, num(a[2]))
			}
			if !fitsRange(v) {
				return ""
			}
			return text(v)
		},
		[][]string{{"3.05", "x", "10"}, {"640", "/", "100"}, {"0", "x", "1000"}, {"40.00", "x", "10"},
			{"9999.999", "x", "1000"}, {"9999999", "x", "10"}, {"0.001", "/", "10"}},
	},
	"add-facts": {
		func(r *rand.Rand) []string { return []string{itoa(r.IntN(11)), "+", itoa(r.IntN(11))} },
		func(a []string) string { return itoa(ints(a)[0] + ints(a)[1]) },
		[][]string{{"0", "+", "0"}, {"10", "+", "10"}, {"8", "+", "5"}, {"9", "+", "9"}, {"1", "+", "6"}},
	},
	"subtract-facts": {
		func(r *rand.Rand) []string { return []string{itoa(r.IntN(21)), "-", itoa(r.IntN(21))} },
		func(a []string) string {
			n := ints(a)
			if n[1] > n[0] {
				return ""
			}
			return itoa(n[0] - n[1])
		},
		[][]string{{"0", "-", "0"}, {"20", "-", "20"}, {"14", "-", "6"}, {"11", "-", "2"}},
	},
	"bonds": {
		func(r *rand.Rand) []string { return []string{itoa(1 + r.IntN(20))} },
		func(a []string) string { return itoa(ints(a)[0] + 1) },
		[][]string{{"1"}, {"20"}},
	},
	"snap": {
		func(r *rand.Rand) []string {
			n := 2 + r.IntN(19)
			return []string{itoa(n), itoa(1 + r.IntN(n-1))}
		},
		func(a []string) string {
			n := ints(a)
			if n[1] >= n[0] {
				return ""
			}
			return fmt.Sprintf("%d + %d", n[1], n[0]-n[1])
		},
		[][]string{{"2", "1"}, {"20", "10"}, {"5", "5"}},
	},
	"turn": {
		func(r *rand.Rand) []string {
			return []string{itoa(1 + r.IntN(12)), []string{"+", "x"}[r.IntN(2)], itoa(1 + r.IntN(12))}
		},
		func(a []string) string {
			n := ints(a)
			if a[1] == "x" {
				return itoa(n[0] * n[1])
			}
			return itoa(n[0] + n[1])
		},
		[][]string{{"1", "x", "1"}, {"12", "x", "12"}, {"20", "+", "20"}},
	},
	"column-add": {
		func(r *rand.Rand) []string {
			var out []string
			for range 2 + r.IntN(3) {
				out = append(out, decimal(r, 6, 3))
			}
			return out
		},
		func(a []string) string {
			sum := new(big.Rat)
			for _, n := range a {
				sum.Add(sum, num(n))
			}
			return text(sum)
		},
		[][]string{{"146", "87"}, {"5", "0"}, {"0", "0"}, {"9999999", "0.999"}, {"9", "9", "9", "9"}, {"3.70", "2.5"},
			{"999999", "1"}, {"0.5", "0.5"}},
	},
	"column-subtract": {
		func(r *rand.Rand) []string {
			a, b := decimal(r, 7, 3), decimal(r, 7, 3)
			if num(a).Cmp(num(b)) < 0 && r.IntN(10) > 0 {
				a, b = b, a
			}
			return []string{a, "-", b}
		},
		func(a []string) string {
			d := new(big.Rat).Sub(num(a[0]), num(a[2]))
			if d.Sign() < 0 {
				return ""
			}
			return text(d)
		},
		[][]string{{"4002", "-", "1567"}, {"1000", "-", "1"}, {"9999", "-", "9999"}, {"7", "-", "0"}, {"0", "-", "0"},
			{"1000000", "-", "1"}, {"9999999.999", "-", "0.001"}, {"5", "-", "0.25"}, {"1", "-", "2"}},
	},
	"difference": {
		func(r *rand.Rand) []string {
			if r.IntN(2) == 0 {
				return []string{itoa(r.IntN(22)), itoa(r.IntN(22))}
			}
			return []string{itoa(upTo(r, 4)), itoa(upTo(r, 4))}
		},
		func(a []string) string {
			n := ints(a)
			return itoa(max(n[0]-n[1], n[1]-n[0]))
		},
		[][]string{{"0", "0"}, {"9999", "0"}, {"28", "63"}, {"1000", "999"}, {"20", "1"}, {"7", "7"}},
	},
	"pattern": {
		func(r *rand.Rand) []string {
			var out []string
			for range 2 + r.IntN(4) {
				a, b := upTo(r, 3), upTo(r, 3)
				if r.IntN(2) == 0 {
					out = append(out, fmt.Sprintf("%d + %d", a, b))
				} else {
					out = append(out, fmt.Sprintf("%d - %d", max(a, b), min(a, b)))
				}
			}
			return out
		},
		func(a []string) string {
			f := strings.Fields(a[len(a)-1])
			if f[1] == "+" {
				return text(new(big.Rat).Add(num(f[0]), num(f[2])))
			}
			return text(new(big.Rat).Sub(num(f[0]), num(f[2])))
		},
		[][]string{{"14 - 10", "23 - 10", "35 - 10"}, {"1000 - 1", "100 - 1"}},
	},
	"unknown": {
		func(r *rand.Rand) []string {
			a, b := r.IntN(50), r.IntN(50)
			x, y := 1+r.IntN(9), 1+r.IntN(9)
			return []string{[]string{
				fmt.Sprintf("? + %d = %d", b, a+b), fmt.Sprintf("%d + ? = %d", a, a+b), fmt.Sprintf("%d + %d = ?", a, b),
				fmt.Sprintf("? - %d = %d", b, a), fmt.Sprintf("%d - ? = %d", a+b, a), fmt.Sprintf("%d = %d - ?", a, a+b),
				fmt.Sprintf("? × %d = %d", y, x*y), fmt.Sprintf("%d ÷ ? = %d", x*y, x), fmt.Sprintf("? ÷ %d = %d", x, y),
				fmt.Sprintf("%d + ? = %d + %d", x, x+a%4, y), fmt.Sprintf("? + %d = %d + %d", x, y, x+b%4),
				fmt.Sprintf("%d + %d = ? + %d", x, y+a%4, y), fmt.Sprintf("%d + %d = %d + ?", x, y, x+y-b%(x+1)),
			}[r.IntN(13)]}
		},
		func(a []string) string {
			if !strings.Contains(a[0], "=") {
				return ""
			}
			// Found by trying every number there is.
			for n := range 101 {
				if v, err := sentence.Judge(strings.Replace(a[0], "?", itoa(n), 1)); err == nil && v.State == "true" {
					return itoa(n)
				}
			}
			return ""
		},
		[][]string{{"? + 7 = 15"}, {"0 + ? = 0"}, {"100 - ? = 0"}, {"? > 3"}, {"7 - ? = 9"},
			{"8 + ? = 9 + 4"}, {"8 + 5 = ? + 4"}, {"0 + ? = 0 + 0"}, {"9 + 9 = 18 + ?"}, {"20 + ? = 20 + 20"},
			{"2 + ? = 9 + 9"}, {"8 + ? = 3 + 4"}},
	},
	"array": {
		func(r *rand.Rand) []string { return []string{itoa(1 + r.IntN(12)), "x", itoa(1 + r.IntN(12))} },
		func(a []string) string { return itoa(ints(a)[0] * ints(a)[1]) },
		[][]string{{"1", "x", "1"}, {"12", "x", "12"}},
	},
	"share": {
		func(r *rand.Rand) []string { return []string{itoa(upTo(r, 7)), itoa(2 + r.IntN(8))} },
		func(a []string) string { return divide(a[0], a[1]) },
		[][]string{{"97", "4"}, {"0", "2"}, {"9999999", "9"}, {"9999999", "2"}, {"1000000", "7"}, {"5", "9"}, {"80008", "8"}},
	},
	"unit-fact": {
		func(r *rand.Rand) []string {
			x, y := 1+r.IntN(12), 1+r.IntN(9)
			unit := []string{"0.1", "0.01", "10", "100", "1000"}[r.IntN(5)]
			a := text(new(big.Rat).Mul(big.NewRat(int64(x), 1), num(unit)))
			if r.IntN(3) == 0 {
				all := text(new(big.Rat).Mul(num(a), big.NewRat(int64(y), 1)))
				return []string{all, "/", itoa(y)}
			}
			return []string{a, "x", itoa(y)}
		},
		func(a []string) string {
			if a[1] == "/" {
				return text(new(big.Rat).Quo(num(a[0]), num(a[2])))
			}
			if a[0] == "0" || a[0] == "1000000" {
				return "" // nothing, and too much
			}
			if n, err := strconv.Atoi(a[0]); err == nil && n%10 != 0 && atoi(a[2])%10 != 0 {
				return "" // single things: a fact without a unit
			}
			return text(new(big.Rat).Mul(num(a[0]), num(a[2])))
		},
		[][]string{{"300", "x", "40"}, {"3", "x", "20"}, {"7", "x", "6"}, {"0", "x", "10"}, {"1000000", "x", "30"},
			{"50", "x", "2"}},
	},
	"short-multiply": {
		func(r *rand.Rand) []string { return []string{decimal(r, 4, 3), "x", itoa(r.IntN(10))} },
		func(a []string) string { return text(new(big.Rat).Mul(num(a[0]), num(a[2]))) },
		[][]string{{"9999", "x", "9"}, {"0", "x", "0"}, {"0", "x", "7"}, {"3.05", "x", "4"}, {"105", "x", "2"},
			{"24", "x", "1"}},
	},
	"group": {
		func(r *rand.Rand) []string {
			size := 1 + r.IntN(12)
			return []string{itoa(r.IntN(size*12 + size)), itoa(size)}
		},
		func(a []string) string {
			if n := ints(a); n[0] > 144 || n[0]/n[1] > 12 {
				return ""
			}
			return divide(a[0], a[1])
		},
		[][]string{{"0", "3"}, {"144", "12"}, {"14", "4"}, {"5", "12"}},
	},
}

func TestEveryMethodAgreesWithAnOracle(t *testing.T) {
	t.Parallel()
	for _, spec := range method.Specs() {
		trial, ok := trials[spec.ID]
		require.True(t, ok, "%s has no oracle", spec.ID)
		t.Run(spec.ID, func(t *testing.T) {
			t.Parallel()
			r := proptest.Random(7)
			problems := trial.hard
			for len(problems) < len(trial.hard)+proptest.Cases() {
				problems = append(problems, trial.draw(r))
			}
			for _, args := range problems {
				checkProblem(t, spec.ID, args, trial.answer(args), nil)
			}
		})
	}
}

func checkProblem(t *testing.T, id string, args []string, want string, options map[string]string) {
	e, err := method.Make(method.Request{Method: id, Args: args, Options: options})
	if err != nil {
		var refusal *say.Refusal
		require.ErrorAs(t, err, &refusal, "%s %v", id, args)
		require.NotContains(t, err.Error(), "{")
	}
	beyond := map[string]bool{"moon": true, "10000000": true}[args[0]]
	if want == "" || beyond {
		require.Error(t, err, "%s %v", id, args)
		return
	}
	require.NoError(t, err, "%s %v", id, args)
	require.Equal(t, want, e.Scene.Made.Answer, "%s %v", id, args)
	for _, one := range append([]method.Example{e}, e.More...) {
		checkExample(t, one)
	}
}

// checkExample holds what is true of every example: it replays to its end, each
// step says or asks something, nothing is given away, every sentence is true, and
// regrouping keeps the total. It runs very often, so that it asks before it
// requires.
func checkExample(t *testing.T, e method.Example) {
	name := e.Scene.Title
	now := e.Scene.Start
	for i, s := range e.Scene.Steps {
		for _, mv := range s.Moves {
			next, _, err := board.Apply(now, mv)
			if err != nil {
				require.NoErrorf(t, err, "%s, step %d, %s", name, i+1, mv.Kind)
			}
			switch mv.Kind {
			case "bundle", "unbundle", "share", "snap":
				if before, after := board.Total(now.Models[0]), board.Total(next.Models[0]); before != after {
					require.Equal(t, before, after, "%s: %s keeps the total", name, mv.Kind)
				}
			}
			now = next
		}
		if total := board.Total(now.Models[0]).String(); total != s.Total {
			require.Equalf(t, total, s.Total, "%s, step %d", name, i+1)
		}
		if form := now.Models[0].InPlay().String(); form != s.UnitForm {
			require.Equal(t, form, s.UnitForm, "%s, step %d", name, i+1)
		}
		if s.Say.IsZero() && s.Ask.IsZero() {
			require.Failf(t, "it neither says nor asks", "%s, step %d", name, i+1)
		}
		if s.Ask.IsZero() != (s.Asks == "") || s.Ask.IsZero() != s.Answer.IsZero() {
			require.Failf(t, "a question has a kind and an answer", "%s, step %d", name, i+1)
		}
		for _, l := range []say.Line{s.Say, s.Ask, s.Look} {
			if !s.Ask.IsZero() && l.Message.Has(say.Answer) {
				require.Failf(t, "it gives its answer away", "%s, step %d: %s", name, i+1, l.Text(say.Vocabulary{}))
			}
		}
		for _, l := range s.Lines() {
			if text := l.Text(say.Vocabulary{}); strings.Contains(text, "{") {
				require.NotContains(t, text, "{", name)
			}
		}
		for _, w := range s.Write {
			checkWrite(t, name, w)
		}
	}
	if end, got := board.Print(e.End), board.Print(now); end != got {
		require.Equal(t, end, got, "%s: replay gives the end", name)
	}
}

func checkWrite(t *testing.T, name string, w lesson.Write) {
	switch w.Kind {
	case "sentence":
		if whole, rest, ok := strings.Cut(w.Text, " remainder "); ok {
			checkRemainder(t, whole, rest)
			return
		}
		if v, err := sentence.Judge(w.Text); err != nil || v.State != "true" {
			require.NoErrorf(t, err, "%s: %q", name, w.Text)
			require.Equalf(t, "true", v.State, "%s: %q", name, w.Text)
		}
	case "row":
		for _, cell := range w.Cells {
			if strings.Contains(cell, " = ") {
				checkWrite(t, name, lesson.Write{Kind: "sentence", Text: cell})
			}
		}
	case "bond":
		sum := new(big.Rat)
		for _, p := range w.Parts {
			sum.Add(sum, num(p))
		}
		require.Zero(t, sum.Cmp(num(w.Whole)), name)
	}
}

// checkRemainder holds "97 ÷ 4 = 24 remainder 1" against division.
func checkRemainder(t *testing.T, whole, rest string) {
	var a, b, q, r int
	_, err := fmt.Sscanf(whole, "%d ÷ %d = %d", &a, &b, &q)
	require.NoError(t, err, whole)
	r, err = strconv.Atoi(rest)
	require.NoError(t, err)
	require.Equal(t, a, q*b+r)
	require.Less(t, r, b)
}

// schoolSubtraction is column subtraction as a child does it on text: digits
// from the right, going to the next digit that is not 0 for ten more.
func schoolSubtraction(a, b string) (digits string, marks map[int]int) {
	top := make([]int, len(a))
	for i := range a {
		top[i] = digitAt(a, i)
	}
	marks = map[int]int{}
	for col := range top {
		d := digitAt(b, col)
		if top[col] < d {
			from := col + 1
			for top[from] == 0 {
				from++
			}
			top[from]--
			marks[from] = top[from]
			for k := from - 1; k > col; k-- {
				top[k] = 9
				marks[k] = 9
			}
			top[col] += 10
			marks[col] = top[col]
		}
		digits = itoa(top[col]-d) + digits
	}
	return digits, marks
}

func TestColumnSubtractionIsWrittenAsAtSchool(t *testing.T) {
	t.Parallel()
	r := proptest.Random(8)
	for range proptest.Cases() {
		a, b := upTo(r, 4), upTo(r, 4)
		a, b = max(a, b), min(a, b)
		for _, exchange := range []string{"as you go", "first"} {
			e, err := method.Make(method.Request{Method: "column-subtract", Args: []string{itoa(a), itoa(b)},
				Options: map[string]string{"exchange": exchange}})
			require.NoError(t, err)
			checkExample(t, e)
			digits, marks := schoolSubtraction(itoa(a), itoa(b))
			got := map[string]string{}
			for _, s := range e.Scene.Steps {
				for _, w := range s.Write {
					if w.Kind == "cell" && w.Place != nil {
						got[w.Row+w.Place.String()] = w.Text
					}
				}
			}
			for col := range len(itoa(a)) {
				p := place.Place(col)
				want := string(digits[len(digits)-1-col])
				if at, ok := got["sum"+p.String()]; ok {
					require.Equal(t, want, at, "%d − %d, %s", a, b, p)
				} else {
					require.Equal(t, "0", want, "%d − %d, %s", a, b, p)
				}
				if n, ok := marks[col]; ok {
					require.Equal(t, itoa(n), got["mark"+p.String()], "%d − %d, %s", a, b, p)
				} else {
					require.Empty(t, got["mark"+p.String()], "%d − %d, %s", a, b, p)
				}
			}
		}
	}
}

func TestSeveralAddendsAndDecimals(t *testing.T) {
	t.Parallel()
	r := proptest.Random(9)
	for range min(proptest.Cases(), 3000) {
		var args []string
		sum := new(big.Rat)
		for range 2 + r.IntN(3) {
			one := decimal(r, 6, 3)
			args = append(args, one)
			sum.Add(sum, num(one))
		}
		checkProblem(t, "column-add", args, text(sum), nil)
	}
	for _, args := range [][]string{{"999", "999", "999", "999"}, {"9999999", "0"}, {"0.001", "0.999"}, {"5", "0.5"}} {
		sum := new(big.Rat)
		for _, a := range args {
			sum.Add(sum, num(a))
		}
		checkProblem(t, "column-add", args, text(sum), nil)
	}
	checkProblem(t, "column-add", []string{"9999999", "1"}, "", nil)
}

func TestDecimalsFromSharing(t *testing.T) {
	for args, want := range map[string]string{"97 4": "24.25", "1 8": "0.125", "10 4": "2.5", "12 3": "4", "1 3": "",
		"7 16": ""} {
		checkProblem(t, "share", strings.Fields(args), want, map[string]string{"remainder": "decimals"})
	}
}

func TestChosenWaysSayWhyTheyDoNotFit(t *testing.T) {
	for way, says := range map[string]string{
		"use fives": "Fives are used when both numbers are 5 or more. 3 and 4 are not.",
		"make ten":  "A ten is made when one number is close to ten and the sum is ten or more. 3 and 4 are not so.",
		"double":    "A double has two numbers alike. 3 and 4 are not, or both are 0.",
		"add ten":   "Ten is added and some taken back when one number is 8 or 9. 3 and 4 are not.",
	} {
		_, err := method.Make(method.Request{Method: "add-facts", Args: []string{"3", "4"},
			Options: map[string]string{"way": way}})
		assert.EqualError(t, err, says)
	}
	e, err := method.Make(method.Request{Method: "add-facts", Args: []string{"8", "5"}})
	require.NoError(t, err)
	var names []string
	for _, s := range e.Plain().Scenes {
		names = append(names, s.Title)
	}
	assert.Equal(t, []string{"8 + 5: make ten", "8 + 5: add ten", "8 + 5: use fives"}, names)
}

func TestCountingOnIsForOneToThreeMore(t *testing.T) {
	for a := range 11 {
		for b := range 11 {
			_, err := method.Make(method.Request{Method: "add-facts", Args: []string{itoa(a), "+", itoa(b)},
				Options: map[string]string{"way": "count on"}})
			few := min(a, b) >= 1 && min(a, b) <= 3
			assert.Equal(t, few, err == nil, "%d + %d: %v", a, b, err)
		}
	}
}

// regroupings are the places where pieces were bundled and opened, in order.
func regroupings(e method.Example) string {
	var out []string
	for _, s := range e.Scene.Steps {
		for _, mv := range s.Moves {
			if mv.Kind == "bundle" || mv.Kind == "unbundle" {
				out = append(out, fmt.Sprintf("%s %+v", mv.Kind, mv.Args))
			}
		}
	}
	return strings.Join(out, "; ")
}

func TestAnotherProblemIsLikeTheFirstAndNotTheSame(t *testing.T) {
	t.Parallel()
	for _, c := range []method.Request{
		{Method: "column-add", Args: []string{"146", "87"}},
		{Method: "column-subtract", Args: []string{"4002", "-", "1567"}},
		{Method: "share", Args: []string{"97", "4"}},
		{Method: "array", Args: []string{"7", "x", "6"}},
		{Method: "add-facts", Args: []string{"8", "+", "5"}},
		{Method: "shift", Args: []string{"3.05", "x", "10"}},
		{Method: "build", Args: []string{"4070"}},
	} {
		first, err := method.Make(c)
		require.NoError(t, err)
		for seed := range uint64(20) {
			next, err := method.Parallel(c, seed)
			require.NoError(t, err, "%s", c.Method)
			again, err := method.Parallel(c, seed)
			require.NoError(t, err)
			require.Equal(t, next.Args, again.Args)
			require.NotEqual(t, c.Args, next.Args)
			other, err := method.Make(next)
			require.NoError(t, err)
			require.Equal(t, len(first.Scene.Made.Answer), len(other.Scene.Made.Answer))
			for i := range c.Args {
				require.Len(t, next.Args[i], len(c.Args[i]), "as many digits")
				require.Equal(t, strings.Index(c.Args[i], "0"), strings.Index(next.Args[i], "0"), "zeros inside stay")
			}
			if c.Method == "column-add" || c.Method == "column-subtract" {
				require.Equal(t, regroupings(first), regroupings(other))
			}
		}
	}
}

// What a problem is about is what another like it keeps: every documented sample has some.
func TestAnotherProblemIsAboutTheSame(t *testing.T) {
	for _, spec := range method.Specs() {
		r, err := method.Typed(spec.ID, spec.Typed)
		require.NoError(t, err)
		for seed := range uint64(12) {
			next, err := method.Parallel(r, seed)
			require.NoErrorf(t, err, "%s %s", spec.ID, spec.Typed)
			require.NotEqual(t, r.Args, next.Args)
		}
	}
	args := func(id string, seed uint64, args ...string) []string {
		next, err := method.Parallel(method.Request{Method: id, Args: args}, seed)
		require.NoError(t, err, id)
		return next.Args
	}
	for seed := range uint64(12) {
		for i, p := range args("pattern", seed, "13 - 5", "23 - 5", "33 - 5") {
			var x, y int
			_, err := fmt.Sscanf(p, "%d − %d", &x, &y)
			require.NoError(t, err)
			require.Equal(t, 5, y, "the same is taken")
			require.Less(t, x%10, 5, "%s crosses a ten, as %d − 5 does", p, 13+10*i)
		}
		c := args("compare", seed, "408", "480")
		require.Equal(t, c[0][0], c[1][0], "the tens decide: %v", c)
		require.True(t, c[0][1] == '0' && c[1][2] == '0' && c[1][1] != '0', c)
		d := args("compare", seed, "3.5", "3.45")
		require.True(t, d[0][0] == d[1][0] && d[0][2] > d[1][2] && len(d[1]) == 4, d)
		var p, q, r, s int
		sums := args("compare", seed, "7 + 5", "6 + 6")
		_, err := fmt.Sscanf(strings.Join(sums, " "), "%d + %d %d + %d", &p, &q, &r, &s)
		require.NoError(t, err)
		require.Equal(t, []int{1, -1}, []int{p - r, q - s}, "one part is one more, the other one less: %v", sums)
		require.InDelta(t, 8, ints(args("bonds", seed, "6"))[0], 2, "a whole nearby")
		turned := ints(args("turn", seed, "6", "+", "3"))
		require.True(t, turned[0] > turned[1] && turned[1] > 1, turned)
		require.Regexp(t, `^blocks \dh 1\dt 1\do$`, args("read", seed, "blocks 1h 12t 14o")[0])
		counting := args("count", seed, "37", "10", "8")
		require.Equal(t, []string{"10", "8"}, counting[1:])
		rows := ints(args("array", seed, "7", "x", "6"))
		require.True(t, rows[0] > 5 && rows[0] < 10, "it is split after five rows: %v", rows)
	}
}

func TestAnotherProblemCrossesTensWhereTheFirstDoes(t *testing.T) {
	for seed := range uint64(20) {
		next, err := method.Parallel(method.Request{Method: "difference", Args: []string{"63", "28"}}, seed)
		require.NoError(t, err)
		ns := ints(next.Args)
		require.Less(t, max(ns[0], ns[1])%10, min(ns[0], ns[1])%10, "63 and 28 cross a ten, and so do %v", ns)
		next, err = method.Parallel(method.Request{Method: "subtract-facts", Args: []string{"14", "-", "6"}}, seed)
		require.NoError(t, err)
		ns = ints(next.Args)
		require.True(t, ns[0] > 10 && ns[0]-ns[1] < 10, "14 − 6 goes back through ten, and so does %v", ns)
	}
}

func TestAnotherFactCrossesTenWhenTheFirstDoes(t *testing.T) {
	for first, crosses := range map[string]bool{"8 + 5": true, "3 + 4": false, "14 − 6": true, "9 − 4": false} {
		id := "add-facts"
		if strings.Contains(first, "−") {
			id = "subtract-facts"
		}
		r, err := method.Typed(id, first)
		require.NoError(t, err)
		for seed := range uint64(20) {
			next, err := method.Parallel(r, seed)
			require.NoError(t, err, first)
			a, b := atoi(next.Args[0]), atoi(next.Args[2])
			less, more := a, a+b
			if id == "subtract-facts" {
				less, more = a-b, a
			}
			assert.Equal(t, crosses, more > 10 && less < 10, "%s is not like %s", strings.Join(next.Args, " "), first)
		}
	}
}

func atoi(s string) int { n, _ := strconv.Atoi(s); return n }

func TestAnotherProblemLeavesOutWhatChildrenSawInThis(t *testing.T) {
	next, err := method.Parallel(method.Request{Method: "add-facts", Args: []string{"8", "+", "5"},
		Options: map[string]string{"way": "make ten", "seen": "8 and 2 more and 3"}}, 3)
	require.NoError(t, err)
	assert.Equal(t, "make ten", next.Options["way"])
	assert.NotContains(t, next.Options, "seen")
}

func TestTheFastWayNeverTakesMoreActs(t *testing.T) {
	for n := range 1000 {
		acts := method.CountActs(n)
		require.Equal(t, n, acts[0].Count)
		for i, size := range []int{1, 5, 10} {
			// Laying as many as there are, largest first, one act each.
			left, count := n, 0
			for left > 0 {
				if left >= size {
					left -= size
				} else {
					left--
				}
				count++
			}
			require.Equal(t, count, acts[i].Count, "%d %s", n, acts[i].Way)
		}
	}
}

func TestWhatChildrenSawIsHeldAgainstWhatIsThere(t *testing.T) {
	make := func(id, seen string, args ...string) (method.Example, error) {
		return method.Make(method.Request{Method: id, Args: args, Options: map[string]string{"seen": seen}})
	}
	e, err := make("add-facts", "8 and 2 more and 3; two fives and 3", "8", "+", "5")
	require.NoError(t, err)
	checkExample(t, e)
	var bonds []string
	for _, s := range e.Scene.Steps {
		if strings.HasPrefix(s.Say.Text(say.Vocabulary{}), "One of you saw") {
			for _, w := range s.Write {
				if w.Kind == "bond" {
					bonds = append(bonds, strings.Join(w.Parts, " "))
				}
			}
		}
	}
	assert.Equal(t, []string{"8 2 3", "5 5 3"}, bonds, "several ways stand together")
	e, err = make("array", "five sixes and two sixes", "7", "x", "6")
	require.NoError(t, err)
	checkExample(t, e)
	assert.Contains(t, written(e), "5 × 6 + 2 × 6 = 42")
	assert.Equal(t, []int{30, 12}, ringSizes(e))
	e, err = make("subtract-facts", "10 and 4; 4 and 2; 5 and 3", "14", "-", "6")
	require.NoError(t, err)
	checkExample(t, e)
	for _, more := range []string{"14 = 10 + 4", "6 = 4 + 2", "8 = 5 + 3"} {
		whole, parts, _ := strings.Cut(more, " = ")
		assert.Contains(t, written(e), parts+" = "+whole, "the whole, what goes, and what is left can be seen")
	}
	_, err = make("subtract-facts", "5 and 4", "14", "-", "6")
	assert.EqualError(t, err, `“5 and 4” comes to 9, and there are 14 or 8 or 6.`)
	_, err = make("add-facts", "8 and 3", "8", "+", "5")
	assert.EqualError(t, err, `“8 and 3” comes to 11, and there are 13.`)
	_, err = make("bonds", "lots and 3", "6")
	assert.EqualError(t, err, `“lots” is not a number here. Write what was seen like 8 and 2 more, or two fives and 3.`)
	_, err = make("subtract-facts", "8", "14", "-", "6")
	assert.ErrorContains(t, err, "is not two parts or more")
}

func written(e method.Example) []string {
	var out []string
	for _, s := range e.Scene.Steps {
		for _, w := range s.Write {
			out = append(out, w.Text)
		}
	}
	return out
}

// ringSizes are the pieces in each ring at the end of an example.
func ringSizes(e method.Example) []int {
	var sizes []int
	for _, p := range board.LayOut(e.End.Models[0]).Pieces {
		if ring := int(p.Marks >> 8); ring > 0 {
			for len(sizes) < ring {
				sizes = append(sizes, 0)
			}
			sizes[ring-1]++
		}
	}
	return sizes
}

func TestEveryPartThatWasSeenIsRingedOnItsOwn(t *testing.T) {
	t.Parallel()
	r := proptest.Random(12)
	for range proptest.Cases() {
		id, args, total := "add-facts", []string{itoa(r.IntN(11)), "+", itoa(r.IntN(11))}, 0
		switch r.IntN(3) {
		case 0:
			a, b := 1+r.IntN(12), 1+r.IntN(12)
			id, args, total = "array", []string{itoa(a), "x", itoa(b)}, a*b
		case 1:
			total = 1 + r.IntN(20)
			id, args = "bonds", []string{itoa(total)}
		default:
			ns := ints(args)
			total = ns[0] + ns[1]
		}
		if total < 2 {
			continue
		}
		var parts []int
		var texts []string
		for rest := total; rest > 0; {
			n := 1 + r.IntN(rest)
			if len(parts) == 11 {
				n = rest
			}
			parts, texts, rest = append(parts, n), append(texts, itoa(n)), rest-n
		}
		if len(parts) < 2 {
			parts, texts = []int{1, total - 1}, []string{"1", itoa(total - 1)}
		}
		e, err := method.Make(method.Request{Method: id, Args: args,
			Options: map[string]string{"seen": strings.Join(texts, " and ")}})
		require.NoError(t, err, "%s %v %v", id, args, texts)
		checkExample(t, e)
		require.Equal(t, parts, ringSizes(e), "%s %v", id, args)
	}
}

func TestAmountsAreToldInAnotherUnit(t *testing.T) {
	for _, c := range []struct{ problem, use, says string }{
		{"3.05 x 10", "length", "3.05 cm = 30.5 mm"},
		{"3.05 x 100", "length", "3.05 m = 305 cm"},
		{"640 / 100", "length", "640 cm = 6.4 m"},
		{"2.5 x 1000", "mass", "2.5 kg = 2500 g"},
		{"750 / 1000", "capacity", "750 ml = 0.75 l"},
		{"1250 / 100", "money", "1250 cents = 12.5 euros"},
	} {
		e, err := method.Make(method.Request{Method: "shift", Args: strings.Fields(c.problem),
			Options: map[string]string{"use": c.use}})
		require.NoError(t, err)
		assert.Contains(t, written(e), c.says)
	}
	_, err := method.Make(method.Request{Method: "shift", Args: []string{"3", "x", "10"},
		Options: map[string]string{"use": "mass"}})
	assert.EqualError(t, err, "There are no two units of mass here of which one is 10 of the other. Length always fits.")
}

func TestARowThatCrossesNoTenIsOfferedAProblemThatDoes(t *testing.T) {
	t.Parallel()
	offer := func(problems ...string) string {
		e, err := method.Make(method.Request{Method: "pattern", Args: problems})
		require.NoError(t, err)
		return e.Plain().Offer
	}
	assert.Equal(t, "33 − 9", offer("14 - 10", "23 - 10", "34 - 10"))
	assert.Empty(t, offer("14 - 6", "24 - 6"), "it crosses already")
	assert.Empty(t, offer("1 + 2", "2 + 2"), "nothing in their range crosses")
	r := proptest.Random(13)
	for range proptest.Cases() {
		var problems []string
		most := 0
		for range 2 + r.IntN(3) {
			a, b := r.IntN(200), r.IntN(200)
			a, b = max(a, b), min(a, b)
			problems = append(problems, fmt.Sprintf("%d - %d", a, b))
			most = max(most, a)
		}
		if one := offer(problems...); one != "" {
			var x, y int
			_, err := fmt.Sscanf(one, "%d − %d", &x, &y)
			require.NoError(t, err)
			require.True(t, y > 0 && y <= x && x <= most, "%v: %s", problems, one)
			marks := 0
			for a, b := x, y; a > 0; a, b = a/10, b/10 {
				if a%10 < b%10 {
					marks++
				}
			}
			require.Positive(t, marks, "%v: %s crosses a ten", problems, one)
		}
	}
}

// What is said to be unbundled in a row of problems is what the pieces did.
func TestARowTellsWhatWasUnbundled(t *testing.T) {
	t.Parallel()
	r := proptest.Random(15)
	for range min(proptest.Cases(), 1000) {
		a, b := upTo(r, 4), upTo(r, 4)
		a, b = max(a, b), min(a, b)
		problem := fmt.Sprintf("%d − %d", a, b)
		e, err := method.Make(method.Request{Method: "pattern", Args: []string{problem, "5 − 1"}})
		require.NoError(t, err)
		opened := map[place.Place]bool{}
		told := ""
		for _, s := range e.Plain().Steps {
			for _, m := range s.Moves {
				if m.Kind == "unbundle" {
					opened[m.Args.(pieces.UnbundleArgs).Place] = true
				}
			}
			if strings.Contains(s.Ask, "Which digits changed") {
				told = s.Answer
			}
		}
		require.NotEmpty(t, told)
		_, told, _ = strings.Cut(told, problem)
		for p := place.Tens; p <= place.Thousands; p++ {
			require.Equal(t, opened[p], strings.Contains(told, "a "+p.Singular()), "%s: %s", problem, told)
		}
	}
}

func TestOneByOneEndsWhereGroupsEnd(t *testing.T) {
	for _, spec := range method.Specs() {
		t.Run(spec.ID, func(t *testing.T) {
			t.Parallel()
			r := proptest.Random(14)
			problems := [][]string{spec.Sample}
			if tr, ok := trials[spec.ID]; ok {
				for range min(proptest.Cases(), 100) / 10 {
					problems = append(problems, tr.draw(r))
				}
			}
			for _, args := range problems {
				groups, err := method.Make(method.Request{Method: spec.ID, Args: args})
				if err != nil {
					continue
				}
				slow, err := method.Make(method.Request{Method: spec.ID, Args: args,
					Options: map[string]string{"pace": "one by one"}})
				require.NoError(t, err, "%s %v", spec.ID, args)
				checkExample(t, slow)
				require.Len(t, slow.Scene.Steps, len(groups.Scene.Steps))
				for i, s := range groups.Scene.Steps {
					require.Equal(t, s.Total, slow.Scene.Steps[i].Total)
					require.Equal(t, s.UnitForm, slow.Scene.Steps[i].UnitForm)
					require.GreaterOrEqual(t, len(slow.Scene.Steps[i].Moves), len(s.Moves))
				}
			}
		})
	}
}

// shortDivision is division as a child writes it: the digits of the quotient
// without zeros in front, and what is carried before each further digit.
func shortDivision(n string, by int) (quotient string, carried map[int]int) {
	carried = map[int]int{}
	left := 0
	for i, r := range n {
		col := len(n) - 1 - i
		if left > 0 {
			carried[col] = left
		}
		has := left*10 + int(r-'0')
		quotient += itoa(has / by)
		left = has % by
	}
	quotient = strings.TrimLeft(quotient, "0")
	if quotient == "" {
		quotient = "0"
	}
	return quotient, carried
}

func TestShortDivisionIsWrittenAsAtSchool(t *testing.T) {
	t.Parallel()
	r := proptest.Random(15)
	for range proptest.Cases() {
		n, by := itoa(upTo(r, 7)), 2+r.IntN(8)
		e, err := method.Make(method.Request{Method: "share", Args: []string{n, itoa(by)}})
		require.NoError(t, err)
		got := map[string]string{}
		for _, s := range e.Scene.Steps {
			for _, w := range s.Write {
				if w.Kind == "cell" && w.Place != nil {
					got[w.Row+w.Place.String()] = w.Text
				} else if w.Kind == "cell" {
					require.Equal(t, itoa(by), w.Text, "the divisor stands before it")
				}
			}
		}
		quotient, carried := shortDivision(n, by)
		for col := range len(n) {
			p := place.Place(col)
			require.Equal(t, string(n[len(n)-1-col]), got["dividend"+p.String()])
			digit := ""
			if col < len(quotient) {
				digit = string(quotient[len(quotient)-1-col])
			}
			require.Equal(t, digit, got["quotient"+p.String()], "%s ÷ %d, %s", n, by, p)
			mark := ""
			if carried[col] > 0 {
				mark = itoa(carried[col])
			}
			require.Equal(t, mark, got["mark"+p.String()], "%s ÷ %d, %s", n, by, p)
		}
	}
}

func TestEveryTenThatIsMadeOrOpenedIsSaid(t *testing.T) {
	r := proptest.Random(16)
	for range proptest.Cases() {
		n, power := r.IntN(9000), r.IntN(4)
		by := pow10(power)
		sign, next := "+", n+by
		if r.IntN(2) == 0 && n >= by {
			sign, next = "-", n-by
		}
		e, err := method.Make(method.Request{Method: "more-less", Args: []string{itoa(n), sign + itoa(by)}})
		require.NoError(t, err)
		// A ten is made or opened at each place where 9 meets 0, from the place of the change up.
		crossings := 0
		for a, b := n/by, next/by; sign == "+" && a%10 == 9 || sign == "-" && a%10 == 0; a, b = a/10, b/10 {
			if a == b {
				break
			}
			crossings++
		}
		said := e.Scene.Steps[1].Answer.Text(say.Vocabulary{})
		require.Equal(t, crossings, strings.Count(said, "are bundled into 1")+strings.Count(said, "is unbundled into ten"),
			"%d %s %d: %s", n, sign, by, said)
		// What is opened gives what is opened next: the largest comes first.
		last := place.Millions
		for _, one := range strings.Split(said, ". ") {
			var name string
			if k, _ := fmt.Sscanf(one, "1 %s is unbundled", &name); k == 1 {
				p, err := place.ParsePlace(name)
				require.NoError(t, err, said)
				require.Less(t, p, last, said)
				last = p
			}
		}
	}
}

func TestEveryModelHoldsWhatItSays(t *testing.T) {
	defer board.With(tally.Spec())()
	r := proptest.Random(17)
	for range min(proptest.Cases(), 600) {
		for _, spec := range board.Specs() {
			n, model := r.IntN(min(100, cmp.Or(spec.Most, 100))+1), spec.Kind
			for _, pace := range []string{"by groups", "one by one"} {
				e, err := method.Make(method.Request{Method: "build", Args: []string{itoa(n)}, Model: model,
					Options: map[string]string{"pace": pace}})
				require.NoError(t, err, "%d on %s", n, model)
				require.Equal(t, itoa(n), board.Total(e.End.Models[0]).String(), "%d on %s, %s", n, model, pace)
				checkExample(t, e)
				back, err := method.Make(method.Request{Method: "read", Args: []string{board.Print(e.End)}})
				require.NoError(t, err, "%s", board.Print(e.End))
				require.Equal(t, itoa(n), back.Scene.Made.Answer, "%s is read", board.Print(e.End))
			}
		}
	}
	for _, spec := range board.Specs() {
		if spec.Most > 0 {
			_, err := method.Make(method.Request{Method: "build", Args: []string{itoa(spec.Most + 1)}, Model: spec.Kind})
			assert.ErrorContains(t, err, fmt.Sprintf("to %d fit", spec.Most), spec.Kind)
		}
	}
}

// A model that is registered is taught by the methods of every model, without a line
// of theirs.
func TestANewModelIsTaughtAtOnce(t *testing.T) {
	defer board.With(tally.Spec())()
	e, err := method.Make(method.Request{Method: "build", Args: []string{"13"}, Model: "tally"})
	require.NoError(t, err)
	assert.Equal(t, "tally 13", board.Print(e.End))
	assert.Equal(t, []string{"13", "13", "13"}, totalsOf(e))
	e, err = method.Make(method.Request{Method: "read", Args: []string{"tally 7"}})
	require.NoError(t, err)
	assert.Equal(t, "7", e.Scene.Made.Answer)
	for _, spec := range board.Specs() {
		b, err := board.Parse(spec.Empty(20))
		require.NoError(t, err)
		b, _, err = board.Apply(b, spec.Acts.Build("17"))
		require.NoError(t, err, spec.Kind)
		assert.Equal(t, "17", board.Total(b.Models[0]).String(), spec.Kind)
	}
}

func totalsOf(e method.Example) (totals []string) {
	for _, s := range e.Scene.Steps {
		totals = append(totals, s.Total)
	}
	return totals
}

func TestCountersAreDealtAsDivisionSays(t *testing.T) {
	r := proptest.Random(18)
	for range min(proptest.Cases(), 2000) {
		n, by := r.IntN(61), 1+r.IntN(12)
		e, err := method.Make(method.Request{Method: "share", Args: []string{itoa(n), itoa(by)}, Model: "counters",
			Options: map[string]string{"check": "none"}})
		require.NoError(t, err)
		checkExample(t, e)
		require.Equal(t, divide(itoa(n), itoa(by)), e.Scene.Made.Answer)
		zones := map[int]int{}
		for _, z := range board.LayOut(e.End.Models[0]).Zones {
			if strings.HasPrefix(z.ID, "group") {
				zones[z.Count]++
			}
		}
		require.Equal(t, map[int]int{n / by: by}, zones, "%d among %d", n, by)
	}
}

func TestSeveralStartsMakeTheRowsOfATable(t *testing.T) {
	e, err := method.Make(method.Request{Method: "more-less", Args: []string{"296", "408", "990", "+10", "-100"}})
	require.NoError(t, err)
	checkExample(t, e)
	var rows [][]string
	for _, s := range e.Scene.Steps {
		for _, w := range s.Write {
			rows = append(rows, w.Cells)
		}
	}
	assert.Equal(t, [][]string{{"start", "+10", "−100"}, {"296", "306", "196"}, {"408", "418", "308"},
		{"990", "1000", "890"}}, rows)
	_, err = method.Make(method.Request{Method: "more-less", Args: []string{"296", "40", "-100"}})
	assert.ErrorContains(t, err, "40")
	_, err = method.Make(method.Request{Method: "more-less", Args: []string{"+10", "-100"}})
	assert.Error(t, err)
}

func TestAllPairsAreToldAsAStory(t *testing.T) {
	e, err := method.Make(method.Request{Method: "bonds", Args: []string{"3"},
		Options: map[string]string{"story": "bulbs"}})
	require.NoError(t, err)
	checkExample(t, e)
	assert.Equal(t, "3 bulbs go into two beds. We look for all the ways.", e.Plain().Steps[0].Say)
	assert.Equal(t, "How many are in each bed next?", e.Plain().Steps[2].Ask)
	assert.Equal(t, "2 in one bed and 1 in the other.", e.Plain().Steps[2].Answer)
	assert.Equal(t, []string{"2", "1", "2 + 1 = 3"}, e.Plain().Steps[2].Write[0].Cells)
	one, err := method.Make(method.Request{Method: "bonds", Args: []string{"1"},
		Options: map[string]string{"story": "bulbs"}})
	require.NoError(t, err)
	assert.Equal(t, "1 bulb goes into two beds. We look for all the ways.", one.Plain().Steps[0].Say)
	assert.Equal(t, "bulb", board.LayOut(e.End.Models[0]).Pieces[0].Drawing, "what has a shape of its own is shown in it")
	_, err = method.Make(method.Request{Method: "bonds", Args: []string{"3"}, Options: map[string]string{"story": "tens"}})
	assert.EqualError(t, err, `“tens” is not a thing to count here. Write one in the plural, like bulbs.`)
}

func TestFactsOnTenFrames(t *testing.T) {
	r := proptest.Random(19)
	seen := func(n int) map[string]string {
		if n < 2 {
			return map[string]string{"check": "none"}
		}
		first := 1 + r.IntN(n-1)
		return map[string]string{"seen": itoa(first) + " and " + itoa(n-first), "check": "none"}
	}
	for a := range 21 {
		for b := range 21 {
			if a <= 10 && b <= 10 {
				e, err := method.Make(method.Request{Method: "add-facts", Args: []string{itoa(a), "+", itoa(b)}, Model: "counters",
					Options: seen(a + b)})
				require.NoError(t, err, "%d + %d", a, b)
				for _, one := range append([]method.Example{e}, e.More...) {
					checkExample(t, one)
					require.Equal(t, itoa(a+b), board.Total(one.End.Models[0]).String(), one.Scene.Title)
				}
			}
			if b <= a {
				e, err := method.Make(method.Request{Method: "subtract-facts", Args: []string{itoa(a), "-", itoa(b)},
					Model: "counters"})
				require.NoError(t, err, "%d − %d", a, b)
				require.Equal(t, itoa(a-b), e.Scene.Made.Answer)
				for _, one := range append([]method.Example{e}, e.More...) {
					checkExample(t, one)
				}
				if options := seen(a); options != nil {
					e, err = method.Make(method.Request{Method: "subtract-facts", Args: []string{itoa(a), "-", itoa(b)},
						Model: "counters", Options: options})
					require.NoError(t, err, "%d − %d", a, b)
					checkExample(t, e)
				}
			}
		}
	}
	lying := func(e method.Example, step int) map[string]int {
		in := map[string]int{}
		b := e.Scene.Start
		for _, s := range e.Scene.Steps[:step] {
			var err error
			b, err = board.ApplyAll(b, s.Moves)
			require.NoError(t, err)
		}
		for _, s := range b.Lay(0).Pieces {
			in[s.Zone]++
			if s.Marks&board.MarkRinged != 0 {
				in["ringed"]++
			}
		}
		return in
	}
	for _, c := range []struct {
		way  string
		step int
		want map[string]int
	}{
		{"use fives", 2, map[string]int{"frame 1": 8, "frame 2": 7, "ringed": 10}},
		{"make ten", 3, map[string]int{"frame 1": 10, "frame 2": 5}},
		{"near doubles", 3, map[string]int{"frame 1": 8, "frame 2": 7, "ringed": 1}},
		{"add ten", 2, map[string]int{"frame 1": 10, "frame 2": 7}},
		{"add ten", 3, map[string]int{"frame 1": 8, "frame 2": 7, "taken": 2}},
	} {
		e, err := method.Make(method.Request{Method: "add-facts", Args: []string{"8", "+", "7"}, Model: "counters",
			Options: map[string]string{"way": c.way}})
		require.NoError(t, err)
		assert.Equal(t, c.want, lying(e, c.step), c.way)
	}
	e, err := method.Make(method.Request{Method: "subtract-facts", Args: []string{"9", "-", "6"}, Model: "counters",
		Options: map[string]string{"way": "difference"}})
	require.NoError(t, err)
	assert.Equal(t, map[string]int{"frame 1": 9, "frame 2": 6, "ringed": 3}, lying(e, 1))
	assert.Equal(t, "3", e.Scene.Made.Answer)
}

// find is the answer of the first question of an id, in words.
func find(e method.Example, id string) (string, bool) {
	for _, s := range e.Scene.Steps {
		if s.Ask.Message.ID == id {
			return s.Answer.Text(e.Words), true
		}
	}
	return "", false
}

func asking(t *testing.T, id string, args ...string) method.Example {
	t.Helper()
	e, err := method.Make(method.Request{Method: id, Args: args, Options: map[string]string{"ask": "every step"}})
	require.NoError(t, err, "%s %v", id, args)
	checkExample(t, e)
	return e
}

// What is foretold comes true, and it is foretold wherever there is something to size up.
func TestPredictionsComeTrue(t *testing.T) {
	t.Parallel()
	r := proptest.Random(29)
	holds := func(e method.Example, id string, result int) {
		t.Helper()
		said, asked := find(e, id)
		if !asked {
			return
		}
		var bound int
		for _, s := range e.Scene.Steps {
			for _, v := range s.Ask.Message.Values {
				if s.Ask.Message.ID == id && (v.Name == "bound" || v.Name == "lead") {
					bound = atoi(v.Text)
				}
			}
		}
		word, _, _ := strings.Cut(said, " ")
		want := map[int]string{1: "More:", 0: "Neither:", -1: "Less:"}[cmp.Compare(result, bound)]
		require.Equal(t, want, word, "%s against %d: %s", e.Scene.Title, bound, said)
		require.NotEqual(t, itoa(result), itoa(bound), "%s: the bound gives the answer", e.Scene.Title)
	}
	for range proptest.Cases() / 5 {
		big := 21 + r.IntN(4900)
		small := 1 + r.IntN(big-1)
		holds(asking(t, "difference", itoa(big), itoa(small)), "gap.size", big-small)
		holds(asking(t, "column-subtract", itoa(big), itoa(small)), "minusColumn.size", big-small)
		holds(asking(t, "column-add", itoa(big), itoa(small)), "columnAdd.size", big+small)
		by := 2 + r.IntN(8)
		e := asking(t, "share", itoa(big), itoa(by))
		holds(e, "share.size", big/by)
		_, sized := find(e, "share.size")
		require.True(t, sized || big/by < 4, "%d ÷ %d", big, by)
	}
	// What is counted at a glance is not sized up.
	_, sized := find(asking(t, "share", "20", "5"), "share.size")
	require.False(t, sized, "20 ÷ 5")
	_, sized = find(asking(t, "share", "21", "5"), "share.size")
	require.True(t, sized, "21 ÷ 5")
}

// A set whose problems grow says of each what is more in it, and it is.
func TestWhatMakesAProblemHarderIsInIt(t *testing.T) {
	t.Parallel()
	regrouped := func(r method.Request) int {
		e, err := method.Make(r)
		require.NoError(t, err)
		n := 0
		for _, s := range e.Scene.Steps {
			if slices.ContainsFunc(s.Moves, func(m board.Move) bool {
				return m.Kind == "bundle" || m.Kind == "unbundle"
			}) {
				n++
			}
		}
		return n
	}
	met := map[string]int{}
	for seed := range uint64(12) {
		set, err := method.Ladder(method.Request{Method: "column-add", Args: []string{"342", "125"}}, 4, seed)
		require.NoError(t, err)
		for i, rung := range set[1:] {
			met[rung.Harder.ID]++
			more := regrouped(rung.Request) - regrouped(set[i].Request)
			want := 0
			if rung.Harder.ID == "harder.regrouping" {
				want = 1
			}
			if rung.Harder.ID != "" {
				require.Equal(t, want, more, "%v after %v: %s", rung.Args, set[i].Args, rung.Harder.ID)
			}
		}
	}
	require.Positive(t, met["harder.regrouping"])
	// What is taken or shared is unbundled; a remainder is something of its own.
	left := func(r method.Request) bool {
		e, err := method.Make(r)
		require.NoError(t, err)
		return strings.Contains(e.Scene.Made.Answer, "remainder")
	}
	for seed := range uint64(6) {
		set, err := method.Ladder(method.Request{Method: "share", Args: []string{"84", "4"}}, 4, seed)
		require.NoError(t, err)
		for i, rung := range set[1:] {
			met[rung.Harder.ID]++
			if id := rung.Harder.ID; id != "" {
				require.Equal(t, id == "harder.remainder", left(rung.Request) != left(set[i].Request), "%v: %s", rung.Args, id)
			}
		}
	}
	require.Positive(t, met["harder.unbundling"])
	require.Positive(t, met["harder.remainder"])
}

// A line of a list is read as it is written on the command line, or as it is typed.
func TestALineNamesItsMethodOrNot(t *testing.T) {
	t.Parallel()
	for line, want := range map[string]string{
		"column-add,58,67":            "column-add 58 67",
		"column-add 58 67":            "column-add 58 67",
		"column-subtract 4002 - 1567": "column-subtract 4002 - 1567",
		"short-multiply 126 x 4":      "short-multiply 126 x 4",
		"58 + 67":                     "column-add 58 + 67",
		"count 95, 1, 8":              "count 95 1 8",
		"compare 4 + 4, 5 + 3":        "compare 4 + 4 5 + 3",
		"pattern 14 − 10, 23 − 10":    "pattern 14 − 10 23 − 10",
	} {
		r, err := method.ReadLine(line, say.Vocabulary{})
		require.NoError(t, err, line)
		require.Equal(t, want, strings.Join(append([]string{r.Method}, r.Args...), " "), line)
		_, err = method.Make(r)
		require.NoError(t, err, line)
	}
}

// Where no model holds a problem, the one that holds most says why.
func TestTheModelThatHoldsMostSaysWhyItDoesNot(t *testing.T) {
	_, err := method.Make(method.Request{Method: "difference", Args: []string{"10000", "1"}})
	require.EqualError(t, err, "10000 does not fit here. Use 0 to 9999.")
	_, err = method.Make(method.Request{Method: "difference", Args: []string{"21", "1"}, Model: "cubes"})
	require.EqualError(t, err, "21 does not fit here. Use 1 to 20.")
}

// A board that is not written right is told by what is wrong with it.
func TestABoardToReadIsRefusedByItsFault(t *testing.T) {
	for board, want := range map[string]string{
		"rack 20":            `"rack 20": "20" is not a rack. Write rows and beads, like 2: 6 8`,
		"blocks 3x":          `"blocks 3x": "3x" is not a block. The places are o, t, h, th, tth, hth`,
		"abacus 3":           "“Read a number” needs a board in notation. For example: blocks 1h 4t 6o.",
		"blocks|rack 2: 6 8": "“Read a number” needs a board in notation. For example: blocks 1h 4t 6o.",
	} {
		_, err := method.Make(method.Request{Method: "read", Args: []string{board}})
		require.EqualError(t, err, want)
	}
}

// Which places make ten or more is foretold as school arithmetic marks them.
func TestPlacesThatMakeTenAreForetold(t *testing.T) {
	for _, sum := range additions()[:min(300, proptest.Cases())] {
		e := asking(t, "column-add", itoa(sum[0]), itoa(sum[1]))
		school := addAtSchool(itoa(sum[0]), itoa(sum[1]))
		said, asked := find(e, "columnAdd.which")
		require.True(t, asked)
		for col := range 4 {
			p := place.Place(col)
			require.Equal(t, school.marks[col+1] != "", strings.Contains(" "+said, " "+p.Plural()), "%v: %s", sum, said)
		}
		if school.regrouping == 0 {
			require.Equal(t, "None. There is room in every place.", said)
		}
	}
}

// Short multiplication as a child writes it: digit by digit from the right.
func TestShortMultiplicationIsWrittenAsAtSchool(t *testing.T) {
	r := proptest.Random(33)
	for range min(proptest.Cases(), 3000) {
		n, by := itoa(1+upTo(r, 4)%9999), 1+r.IntN(9)
		e, err := method.Make(method.Request{Method: "short-multiply", Args: []string{n, "x", itoa(by)}})
		require.NoError(t, err)
		got := map[string]string{}
		for _, s := range e.Scene.Steps {
			for _, w := range s.Write {
				if w.Kind == "cell" && w.Place != nil {
					got[w.Row+w.Place.String()] = w.Text
				}
			}
		}
		carry := 0
		for col := 0; col < len(n) || carry > 0; col++ {
			p := place.Place(col)
			v := digitAt(n, col)*by + carry
			require.Equal(t, itoa(v%10), got["sum"+p.String()], "%s × %d, %s", n, by, p)
			carry = v / 10
			mark := ""
			if carry > 0 {
				mark = itoa(carry)
			}
			require.Equal(t, mark, got["mark"+(p+1).String()], "%s × %d, %s", n, by, p+1)
		}
	}
}

// A check is another act: it comes to where the problem began, or to the same result.
func TestChecksAreActs(t *testing.T) {
	for _, c := range []struct {
		id      string
		args    []string
		options map[string]string
		says    string
		end     string
	}{
		{"count", []string{"37", "10", "8"}, nil, "We are at 37 again. 8 steps of 10 are 80.", "37"},
		{"more-less", []string{"296", "+10", "+10", "-100"}, nil, "We are at 296 again. It fits.", "296"},
		{"compare", []string{"0.5", "0.45"}, nil, "Now they are alike: 0.45 and 0.05 make 0.5.", "0.5"},
		{"shift", []string{"3.05", "x", "10"}, nil, "It is 3.05 again. It fits.", "3.05"},
		{"add-facts", []string{"8", "+", "5"}, map[string]string{"way": "make ten"}, "13 minus 5 is 8. It fits.", "8"},
		{"subtract-facts", []string{"14", "-", "6"}, map[string]string{"way": "take away"}, "8 and 6 make 14 again. It fits.",
			"14"},
		{"subtract-facts", []string{"14", "-", "6"}, map[string]string{"way": "think addition"},
			"14 take away 6 is 8. It fits.", "8"},
		{"column-subtract", []string{"402", "-", "167"}, map[string]string{"check": "by the inverse"},
			"235 and 167 make 402 again. It fits.", "402"},
		{"column-add", []string{"146", "87"}, map[string]string{"check": "another order"}, "That is 233 again. It fits.",
			"233"},
		{"column-add", []string{"146", "87"}, nil, "We said more than 200, and it is 233.", "233"},
		{"share", []string{"97", "/", "4"}, nil, "97: 4 × 24 + 1. It fits.", "97"},
	} {
		options := map[string]string{"ask": "never"}
		for name, value := range c.options {
			options[name] = value
		}
		e, err := method.Make(method.Request{Method: c.id, Args: c.args, Options: options})
		require.NoError(t, err)
		steps := e.Plain().Steps
		assert.Contains(t, steps[len(steps)-1].Say, c.says)
		assert.Equal(t, c.end, board.Total(e.End.Models[0]).String(), c.says)
		options["check"] = "none"
		e, err = method.Make(method.Request{Method: c.id, Args: c.args, Options: options})
		require.NoError(t, err)
		for _, s := range e.Plain().Steps {
			assert.NotContains(t, s.Say, c.says, "it is not checked where nobody wants it")
		}
	}
}

// A sketch has a mark for each size of piece that there is, and for no other.
func TestMarksThatAreThereAreTold(t *testing.T) {
	for n, says := range map[string]string{
		"146": "A square is a hundred, a stick is a ten, a dot is a one.",
		"305": "A square is a hundred, a dot is a one.", "7": "A dot is a one.",
	} {
		said, asked := find(asking(t, "build", n), "build.sketch.ask")
		assert.True(t, asked)
		assert.Equal(t, says, said)
	}
}

// Ten is taken from more by the row or the frame that is full.
func TestTenIsTakenWhole(t *testing.T) {
	for model, want := range map[string]string{"rack": `"rows":[0,7]`, "counters": `"frame":2,"cells":[0,1,2,3,4,5,6]`} {
		e, err := method.Make(method.Request{Method: "subtract-facts", Args: []string{"17", "10"}, Model: model})
		require.NoError(t, err)
		file, err := json.Marshal(e.Scene.BoardAt(2, lesson.Rest))
		require.NoError(t, err)
		require.Contains(t, string(file), want, model)
		said, asked := find(e, "minus.ten")
		require.True(t, asked)
		require.Equal(t, "17 is ten and 7. The ten goes, and 7 stay.", said)
	}
}

// How far it is to a number is asked once, and sized by something that it is not.
func TestADifferenceOfOneStepIsAskedOnce(t *testing.T) {
	e := asking(t, "difference", "1000", "998")
	said, _ := find(e, "gap.size")
	require.Equal(t, "Less: 998 and 10 is already 1008.", said)
	times := 0
	for _, s := range e.Scene.Steps {
		if s.Ask.Message.ID == "gap.far" || s.Ask.Message.ID == "gap.to" {
			times++
		}
	}
	require.Equal(t, 1, times)
	said, _ = find(asking(t, "difference", "463", "428"), "gap.size")
	require.Equal(t, "Less: 428 and 100 is already 528.", said)
}

// What is hidden in a sentence is laid under its cover: the class never sees it lie there.
func TestWhatIsMissingIsNeverSeenBefore(t *testing.T) {
	for problem, known := range map[string]int{
		"? + 7 = 15": 7, "8 + ? = 13": 8, "15 − ? = 8": 8, "3 × ? = 12": 0, "20 ÷ ? = 4": 0, "8 + ? = 9 + 4": 21,
		"? + 5 = 2 + 9": 16, "8 + 5 = ? + 4": 17, "12 + 5 = 9 + ?": 26,
	} {
		e, err := method.Make(method.Request{Method: "unknown", Args: []string{problem}})
		require.NoError(t, err, problem)
		b, hidden := e.Scene.Start, false
		for _, mv := range e.Scene.Steps[0].Moves {
			b, _, err = board.Apply(b, mv)
			require.NoError(t, err, problem)
			if hidden = hidden || len(b.Covers) > 0; !hidden {
				whole, _ := board.Total(b.Models[0]).Whole()
				assert.LessOrEqual(t, whole, known, "%s after %s", problem, mv.Kind)
			}
		}
		assert.True(t, hidden, problem)
	}
}

// On the rack and in frames a ten is full, or no more, just where more than the tens change.
func TestTensAreFullWhereTheyAreCrossed(t *testing.T) {
	for _, model := range []string{"rack", "counters"} {
		for args, want := range map[string]string{
			"38 5 1": "One more ten is full.", "38 -9 1": "One ten is not full any more.", "30 10 1": "",
			"31 5 1": "", "36 -5 1": "", "35 5 1": "One more ten is full.",
		} {
			e, err := method.Make(method.Request{Method: "count", Args: strings.Fields(args), Model: model,
				Options: map[string]string{"ask": "every step"}})
			require.NoError(t, err, args)
			answer := e.Scene.Steps[1].Answer.Text(e.Words)
			if want == "" {
				assert.NotContains(t, answer, "full", "%s on %s", args, model)
				continue
			}
			assert.Contains(t, answer, want, "%s on %s", args, model)
		}
	}
	_, err := method.Make(method.Request{Method: "count", Args: []string{"42", "-5", "9"}})
	assert.ErrorContains(t, err, "From 42 there are 8 steps of 5 back to 0.")
}
