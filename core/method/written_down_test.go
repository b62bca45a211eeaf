package method_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"unitbloom/core/method"
	"unitbloom/core/say"
	"unitbloom/internal/proptest"
)

func TestProblemsLikeOthersAreWrittenDown(t *testing.T) {
	t.Parallel()
	var b strings.Builder
	for _, spec := range method.Specs() {
		fmt.Fprintf(&b, "# %s\n", spec.ID)
		for _, text := range append([]string{spec.Typed}, odd[spec.ID]...) {
			r := request(t, spec.ID, text)
			fmt.Fprintf(&b, "%s:", text)
			seeds := uint64(1)
			if text == spec.Typed {
				seeds = 3
			}
			for seed := range seeds {
				if next, err := method.Parallel(r, seed); err != nil {
					fmt.Fprintf(&b, " none (%v)", err)
				} else {
					fmt.Fprintf(&b, " | %s", strings.Join(next.Args, " "))
				}
			}
			b.WriteString("\n")
		}
		rungs, err := method.Ladder(request(t, spec.ID, spec.Typed), 8, 5)
		if err != nil {
			fmt.Fprintf(&b, "  no set: %v\n", err)
		}
		for _, rung := range rungs {
			fmt.Fprintf(&b, "  rises to %s %s\n", strings.Join(rung.Args, " "), rung.Harder.Text(say.Vocabulary{}))
		}
	}
	proptest.WrittenDown(t, *update, "testdata/another.txt", b.String())
}

// wrong is what a teacher may type by mistake, for any method.
var wrong = []string{"", "0", "1", "7", "abc", "5 + ", "+ 5", "12345678901", "−3", "3 ÷ 0", "0 ÷ 5", "2.5 + 1", "1/2",
	"7 − 9",
	"9999 + 1", "10000 + 1", "0 × 5", "13 × 12", "1001", "0.005", "3.0005", "21", "20 + 21", "11 + 10", "5 − 0", "100 × 7",
	"3 × 3.5", "6, 60, 600, 6000", "4 = 2 + 2", "? + ? = 5", "8 + ? = 3", "1 2 3 4 5 6 7 8 9 10 11 12", "5 5", "12 ÷ 0.5",
	"7 − 7", "300 ÷ 7", "2000 − 1999", "1 + 1 + 1 + 1 + 1 + 1 + 1 + 1 + 1 + 1 + 1", "99999 × 9", "0.1 − 0.2", "8 ÷ 2 ÷ 2"}

func TestWhatDoesNotFitIsWrittenDown(t *testing.T) {
	var b strings.Builder
	for _, spec := range method.Specs() {
		fmt.Fprintf(&b, "# %s\n", spec.ID)
		before := map[string]bool{}
		for _, model := range spec.Kinds() {
			var said []string
			of := map[string][]string{}
			for _, text := range wrong {
				r, err := method.Typed(spec.ID, text)
				r.Model = model
				if err == nil {
					_, err = method.Make(r)
				}
				if err == nil {
					continue
				}
				if of[err.Error()] == nil {
					said = append(said, err.Error())
				}
				of[err.Error()] = append(of[err.Error()], text)
			}
			for _, why := range said {
				if before[why+fmt.Sprint(of[why])] {
					continue // as of another model
				}
				before[why+fmt.Sprint(of[why])] = true
				fmt.Fprintf(&b, "on %s: %s\n  %s\n", model, why, strings.Join(of[why], " | "))
			}
		}
		for _, o := range spec.Options {
			r := request(t, spec.ID, spec.Typed)
			r.Options = map[string]string{o.Name: "no such thing"}
			if _, err := method.Make(r); err != nil {
				fmt.Fprintf(&b, "%s = no such thing: %v\n", o.Name, err)
			}
		}
	}
	proptest.WrittenDown(t, *update, "testdata/refused.txt", b.String())
}

func TestWhatIsTypedIsWrittenDown(t *testing.T) {
	typed := slices.Concat(wrong, []string{"58 + 67", "58+67=", "146", "4070", "3.7 + 2.85", "58 − 27", "402 - 167",
		"7 x 6",
		"97 ÷ 4", "97 : 4", "640 ÷ 100", "34 × 100", "9 = 4 + ?", "? − 7 = 8", "24 × 3", "30 × 4", "120 ÷ 4", "38, 74",
		"38; 74",
		"8 + 6", "14 − 6", "8 + 6 on counters", "146 on discs", "13 on rack", "bonds of 7", "12 cubes", "3 tens 4 ones",
		"double 7", "7 + 5, 6 + 6", "408, 480", "1000 − 1", "296 +10 +10", "words", "ten", "a blank page",
		"€3.50 + €2.75"})
	var b strings.Builder
	for _, text := range typed {
		g, faults := method.Grant(text, nil, say.Vocabulary{})
		if len(faults) > 0 {
			fmt.Fprintf(&b, "%q: %v\n", text, faults[0].Err)
			continue
		}
		fmt.Fprintf(&b, "%q: %s: %d scenes", text, g.Title, len(g.Scenes))
		if g.As.Model != "" {
			fmt.Fprintf(&b, " as %s", g.As.Label(say.Vocabulary{}))
		}
		for _, other := range g.Others {
			fmt.Fprintf(&b, " | %s", other.Label(say.Vocabulary{}))
		}
		b.WriteString("\n")
	}
	proptest.WrittenDown(t, *update, "testdata/typed.txt", b.String())
}
