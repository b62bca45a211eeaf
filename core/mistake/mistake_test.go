package mistake_test

import (
	"math/rand/v2"
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/mistake"
	_ "unitbloom/core/model"
	"unitbloom/core/say"
	"unitbloom/internal/proptest"
)

func problem(method string, args ...string) mistake.Problem {
	return mistake.Problem{Method: method, Args: args}
}

// answers are the wrong answers of a problem by the mistake that gives each.
func answers(p mistake.Problem) map[string]string {
	out := map[string]string{}
	for _, s := range mistake.Slips(p) {
		out[s.ID] = s.Answer
	}
	return out
}

// Each known mistake gives the answer that children give.
func TestMistakesGiveTheAnswersOfChildren(t *testing.T) {
	for _, c := range []struct {
		p    mistake.Problem
		want map[string]string
	}{
		{problem("column-subtract", "402", "167"), map[string]string{
			"smaller-from-larger": "365", "giver-not-reduced": "345", "across-zero/left-at-ten": "245",
			"across-zero/skipped": "145", "across-zero/nine-for-nothing": "335"}},
		{problem("column-subtract", "460", "187"), map[string]string{
			"smaller-from-larger": "327", "giver-not-reduced": "383", "zero-minus-n/number": "287",
			"zero-minus-n/nothing": "280"}},
		{problem("column-subtract", "465", "23"), map[string]string{"edges-aligned": "235"}},
		{problem("column-subtract", "63", "28"), map[string]string{
			"smaller-from-larger": "45", "giver-not-reduced": "45"}},
		{problem("column-add", "146", "87"), map[string]string{
			"new-one-lost": "123", "two-digits-in-a-place": "11213", "wrong-digit-kept": "611", "edges-aligned": "1016"}},
		{problem("column-add", "3.7", "2.85"), map[string]string{
			"new-one-lost": "5.55", "two-digits-in-a-place": "5.155", "wrong-digit-kept": "1.15", "edges-aligned": "3.22"}},
		{problem("column-add", "23", "45"), map[string]string{}},
		{problem("build", "407"), map[string]string{
			"written-as-heard/together": "4007", "zero-left-out/inside": "47", "digits-swapped": "470"}},
		{problem("build", "146"), map[string]string{
			"written-as-heard/together": "10046", "written-as-heard/apart": "100406", "digits-swapped": "164"}},
		{problem("build", "4070"), map[string]string{"written-as-heard/together": "400070",
			"zero-left-out/inside": "470", "zero-left-out/every": "47", "digits-swapped": "4007"}},
		{problem("build", "54"), map[string]string{"digits-swapped": "45"}},
		{problem("teens", "13"), map[string]string{"digits-swapped": "31"}},
		{problem("read", "blocks 4t 14o"), map[string]string{
			"counts-side-by-side": "414", "pieces-alike": "18", "digits-swapped": "45"}},
		{problem("read", "blocks 1h 4t 6o"), map[string]string{"pieces-alike": "11", "digits-swapped": "164"}},
		{problem("share", "816", "4"), map[string]string{
			"zero-left-out/inside": "24", "left-over-dropped": "201 remainder 2"}},
		{problem("share", "97", "4"), map[string]string{"left-over-dropped": "21 remainder 3"}},
		{problem("add-facts", "8", "5"), map[string]string{"start-counted": "12"}},
		{problem("subtract-facts", "14", "6"), map[string]string{"start-counted": "9"}},
		{problem("count", "37", "10", "8"), map[string]string{"start-counted": "107"}},
		{problem("more-less", "296", "+10"), map[string]string{"one-place-only": "206"}},
		{problem("more-less", "1000", "-1"), map[string]string{"one-place-only": "1009"}},
		{problem("compare", "3.5", "3.45"), map[string]string{"longer-is-larger": "3.5 < 3.45"}},
		{problem("compare", "3.45", "3.46"), map[string]string{}},
		{problem("unknown", "8 + ? = 9 + 4"), map[string]string{
			"equals-then-answer/first": "1", "equals-then-answer/all": "21"}},
		{problem("unknown", "? + 7 = 15"), map[string]string{"equals-then-answer/all": "22"}},
	} {
		assert.Equal(t, c.want, answers(c.p), "%s %v", c.p.Method, c.p.Args)
	}
}

// The numbers that are chosen to tell mistakes apart do so.
func TestChosenNumbersTellMistakesApart(t *testing.T) {
	for _, p := range []mistake.Problem{problem("column-subtract", "402", "167"), problem("column-subtract", "460", "187"),
		problem("column-add", "146", "87")} {
		seen := map[string]string{}
		for id, answer := range answers(p) {
			assert.Empty(t, seen[answer], "%v: %s gives what %s gives", p.Args, id, seen[answer])
			seen[answer] = id
		}
		assert.GreaterOrEqual(t, len(seen), 4)
	}
	both := mistake.Of(problem("column-subtract", "63", "28"), "45")
	require.Len(t, both, 2, "some answers fit two, and both are told")
	assert.Empty(t, mistake.Of(problem("column-subtract", "63", "28"), "34"), "a slip fits none")
}

// No mistake gives the right answer, of problems drawn by chance and worked by another way.
func TestNoMistakeIsRight(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 11))
	methods := []string{"column-add", "column-subtract", "share", "build", "count", "add-facts", "subtract-facts",
		"more-less"}
	shown := map[string]int{}
	for range proptest.Cases() {
		a, b, c := r.IntN(5000)+1, r.IntN(4999)+1, r.IntN(9)+1
		a, b = max(a, b), min(a, b)
		for _, m := range methods {
			p, right := problem(m, strconv.Itoa(a), strconv.Itoa(b)), ""
			switch m {
			case "column-add", "add-facts":
				right = strconv.Itoa(a + b)
			case "column-subtract", "subtract-facts":
				right = strconv.Itoa(a - b)
			case "share":
				p.Args[1] = strconv.Itoa(c)
				if right = strconv.Itoa(a / c); a%c > 0 {
					right += " remainder " + strconv.Itoa(a%c)
				}
			case "build":
				p.Args, right = p.Args[:1], strconv.Itoa(a)
			case "count":
				p.Args, right = append(p.Args, strconv.Itoa(c)), strconv.Itoa(a+b*c)
			case "more-less":
				p.Args[1], right = "+100", strconv.Itoa(a+100)
			}
			for _, s := range mistake.Slips(p) {
				shown[strings.Split(s.ID, "/")[0]]++
				assert.NotEqual(t, right, s.Answer, "%s of %s %v", s.ID, m, p.Args)
				assert.NotContains(t, s.Answer, "-", "%s of %s %v", s.ID, m, p.Args)
			}
		}
	}
	assert.GreaterOrEqual(t, len(shown), 12, "each is met: %v", shown)
}

// What does not parse, and what a rule cannot be followed for, shows no mistake.
func TestBadProblemsShowNoMistakes(t *testing.T) {
	for _, rule := range mistake.Rules() {
		for _, method := range rule.Methods {
			for _, args := range [][]string{nil, {""}, {"x", "y"}, {"0", "0"}, {"1", "0"}, {"2", "9"}, {"?", "=", "?"},
				{"9999999", "1"}, {"0.001", "5"}} {
				for _, s := range mistake.Slips(mistake.Problem{Method: method, Args: args}) {
					assert.NotEmpty(t, s.Answer, "%s %v", s.ID, args)
				}
			}
		}
	}
}

// Each mistake has a name that completes "as if …", and asks one question, which tells no
// answer; in every class's words.
func TestMistakesAreNamedAndAsked(t *testing.T) {
	problems := []mistake.Problem{problem("column-subtract", "402", "167"), problem("column-subtract", "460", "187"),
		problem("column-add", "146", "87"), problem("column-add", "3.7", "2.85"), problem("build", "4070"),
		problem("build", "146"), problem("read", "blocks 4t 14o"), problem("share", "97", "4"), problem("share", "816", "4"),
		problem("add-facts", "8", "5"), problem("more-less", "296", "+10"), problem("compare", "3.5", "3.45"),
		problem("unknown", "8 + ? = 9 + 4"), problem("teens", "13"), problem("column-subtract", "31", "19")}
	named := map[string]bool{}
	for _, regroup := range say.RegroupChoices() {
		w := say.Vocabulary{Regroup: regroup, Ones: "units"}
		for _, p := range problems {
			for _, s := range mistake.Slips(p) {
				id, _, _ := strings.Cut(s.ID, "/")
				named[id] = true
				name, ask := s.Name.Phrase(w), s.Ask.Text(w)
				assert.NotContains(t, name+ask, "{", s.ID)
				assert.Equal(t, strings.ToLower(name[:1]), name[:1], s.ID)
				assert.Equal(t, 1, strings.Count(ask, "?"), "%s: %s", s.ID, ask)
				assert.NotContains(t, name+ask, " ones", "%s: the class says units", s.ID)
				for _, word := range strings.FieldsFunc(ask, func(r rune) bool { return r < '0' || r > '9' }) {
					assert.NotEqual(t, s.Answer, word, "%s tells its answer", s.ID)
				}
			}
		}
	}
	for _, rule := range mistake.Rules() {
		assert.True(t, named[rule.ID], "%s is met in no problem", rule.ID)
		assert.True(t, slices.IsSorted(rule.Methods) || len(rule.Methods) > 0)
	}
}

func TestQuestionsSpeakOfTheProblemAtHand(t *testing.T) {
	ask := func(id string, p mistake.Problem) string {
		for _, s := range mistake.Slips(p) {
			if s.ID == id {
				return s.Ask.Text(say.Vocabulary{})
			}
		}
		return ""
	}
	minus, plus := problem("column-subtract", "402", "167"), problem("column-add", "146", "87")
	assert.Equal(t, "Can you take 7 ones from 2 ones?", ask("smaller-from-larger", minus))
	assert.Equal(t, "One of the tens went on to the ones. How many tens stay?", ask("across-zero/left-at-ten", minus))
	assert.Equal(t, "One of the hundreds was unbundled. What came out of it?", ask("across-zero/skipped", minus))
	assert.Equal(t, "Where did the 9 tens come from?", ask("across-zero/nine-for-nothing", minus))
	assert.Equal(t, "Ten ones made a ten. Where is it now?", ask("new-one-lost", plus))
	assert.Equal(t, "Which digit of 13 counts the ones?", ask("wrong-digit-kept", plus))
	assert.Equal(t, "What is this 8 worth, and does it stand under its like?", ask("edges-aligned", plus))
	assert.Equal(t, "After sharing there was 1 ten over. Where is it now?",
		ask("left-over-dropped", problem("share", "97", "4")))
}
