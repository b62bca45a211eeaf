package method_test

import (
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/method"
	"unitbloom/core/say"
)

// begins is what an example says first, in words.
func begins(e method.Example) string { return e.Scene.Steps[0].Say.Message.Text(say.Vocabulary{}) }

func TestAnExampleBeginsWithTheTeachersStory(t *testing.T) {
	const bees = "{3} bees sit in the tree. {2} more come."
	for _, c := range []struct {
		method string
		args   []string
		story  string
		want   string
	}{
		{"column-add", []string{"146", "87"}, bees, "146 bees sit in the tree. 87 more come."},
		{"add-facts", []string{"1", "+", "1"}, bees, "1 bee sits in the tree. 1 more comes."},
		{"column-add", []string{"3.50", "2.85"}, "{1,5} metres and {2} metres", "3.50 metres and 2.85 metres."},
		{"unknown", []string{"?", "-", "6", "=", "8"}, "{2} run off and {4} stay", "6 run off and 8 stay."},
		{"unknown", []string{"8 + ? = 13"}, "{2} plums. Now {4} plums.", "8 plums. Now 13 plums."},
		{"unknown", []string{"8+?=13"}, "{2} plums. Now {4} plums.", "8 plums. Now 13 plums."},
		{"share", []string{"97", "4"}, "{8} shells for {2} children", "97 shells for 4 children."},
		{"short-multiply", []string{"126", "x", "4"}, "{8} seeds in a bag", "126 seeds in a bag."},
		{"subtract-facts", []string{"13", "5"}, "{2} frogs", "13 frogs."},
	} {
		e, err := method.Make(method.Request{Method: c.method, Args: c.args, Options: map[string]string{"story": c.story}})
		require.NoError(t, err, c.want)
		plain, err := method.Make(method.Request{Method: c.method, Args: c.args})
		require.NoError(t, err)
		for i, way := range append([]method.Example{e}, e.More...) {
			was := append([]method.Example{plain}, plain.More...)[i]
			assert.Equal(t, strings.TrimSpace(c.want+" "+begins(was)), begins(way))
			assert.Equal(t, was.Scene.Steps[1:], way.Scene.Steps[1:], "the rest is as without it")
		}
		assert.Len(t, e.More, len(plain.More))
	}
}

// Every method whose problem has numbers may have one; a problem like it is told with its own.
func TestEveryMethodMayHaveAStory(t *testing.T) {
	for _, spec := range method.Specs() {
		r := method.Request{Method: spec.ID, Args: spec.Sample, Options: map[string]string{"story": "{2} bees hum"}}
		own := slices.ContainsFunc(spec.Options, func(o method.Option) bool { return o.Name == "story" })
		offered := slices.Contains(method.Matters(method.Request{Method: spec.ID, Args: spec.Sample}), "story")
		e, err := method.Make(r)
		if spec.ID == "read" {
			assert.EqualError(t, err, "A story tells the numbers of a problem, and this one gives none.")
			assert.False(t, offered, "it is not offered where it cannot be told")
			continue
		}
		assert.True(t, offered, spec.ID)
		if own {
			continue
		}
		require.NoError(t, err, spec.ID)
		assert.Contains(t, begins(e), " bees hum.", spec.ID)
		for seed := range uint64(3) {
			like, err := method.Parallel(r, seed)
			require.NoError(t, err, spec.ID)
			e, err := method.Make(like)
			require.NoError(t, err, spec.ID)
			number, rest, _ := strings.Cut(begins(e), " ")
			assert.True(t, strings.HasPrefix(rest, "bees hum.") || number == "1" && strings.HasPrefix(rest, "bee hums."),
				begins(e))
			assert.Contains(t, strings.Join(like.Args, " "), number, spec.ID)
		}
	}
}

func TestAStoryThatDoesNotFitIsRefused(t *testing.T) {
	long := "{1} " + strings.Repeat("very ", 50) + "old bees"
	for _, story := range []string{"bees sit here", "{1} and {2} and {3}", long} {
		_, err := method.Make(method.Request{Method: "column-add", Args: []string{"146", "87"},
			Options: map[string]string{"story": story}})
		assert.EqualError(t, err, "Write a short story with at most 2 numbers, each in curly braces.")
	}
}

// What would break a pattern breaks it: other digits change than in the problems of the row.
func TestWhatBreaksAPatternDoesNotFollowIt(t *testing.T) {
	changes := func(problem string) string {
		f := strings.Fields(problem)
		x, _ := strconv.Atoi(f[0])
		y, _ := strconv.Atoi(f[2])
		if f[1] != "+" {
			y = -y
		}
		was, is := "000000"+strconv.Itoa(x), "000000"+strconv.Itoa(x+y)
		require.GreaterOrEqual(t, x+y, 0, problem)
		var places strings.Builder
		for i := 1; i <= 6; i++ {
			if was[len(was)-i] != is[len(is)-i] {
				places.WriteString(strconv.Itoa(i))
			}
		}
		return places.String()
	}
	broken := 0
	for x := 1; x <= 60; x++ {
		for y := 1; y <= 40; y++ {
			for _, sign := range []string{" + ", " - "} {
				args := []string{strconv.Itoa(x) + sign + strconv.Itoa(y), strconv.Itoa(x+10) + sign + strconv.Itoa(y)}
				e, err := method.Make(method.Request{Method: "pattern", Args: args,
					Options: map[string]string{"ask": "every step"}})
				if err != nil {
					continue
				}
				for _, s := range e.Scene.Steps {
					if s.Ask.Message.ID != "pattern.break" {
						continue
					}
					broken++
					other := s.Answer.Message.Values[0].Text
					assert.Equal(t, changes(args[0]), changes(args[1]), "%v follow a pattern", args)
					assert.NotEqual(t, changes(args[0]), changes(other), "%v and %s", args, other)
				}
			}
		}
	}
	assert.Greater(t, broken, 1000)
}

// A changed digit makes the smaller of two numbers the larger, or a changed part the smaller of two sums.
func TestWhatIsChangedTurnsAComparison(t *testing.T) {
	for _, pair := range [][]string{{"408", "480"}, {"480", "408"}, {"3.5", "3.45"}, {"902", "12"}, {"99", "9"},
		{"0.9", "0.09"}, {"3.50", "3.05"}, {"999", "1000"}, {"0", "7"}, {"7 + 5", "6 + 4"}, {"1 + 1", "9 + 9"}} {
		e, err := method.Make(method.Request{Method: "compare", Args: pair, Options: map[string]string{"ask": "every step"}})
		require.NoError(t, err)
		found := false
		for _, s := range e.Scene.Steps {
			if !strings.HasSuffix(s.Ask.Message.ID, ".win") {
				continue
			}
			found = true
			said := map[string]string{}
			for _, v := range s.Answer.Message.Values {
				said[v.Name] = v.Text
			}
			assert.ElementsMatch(t, pair, []string{said["less"], said["large"]})
			again, err := method.Make(method.Request{Method: "compare", Args: []string{said["changed"], said["large"]}})
			require.NoError(t, err)
			assert.Equal(t, ">", again.Scene.Made.Answer, "%v: %s", pair, said["changed"])
		}
		assert.True(t, found, pair)
	}
	for _, none := range [][]string{{"408", "408"}, {"7 + 5", "6 + 6"}, {"9999999", "0"}} {
		e, err := method.Make(method.Request{Method: "compare", Args: none, Options: map[string]string{"ask": "every step"}})
		require.NoError(t, err)
		for _, s := range e.Scene.Steps {
			assert.False(t, strings.HasSuffix(s.Ask.Message.ID, ".win"), none)
		}
	}
}
