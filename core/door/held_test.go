package door_test

import (
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/door"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	number "unitbloom/core/place"
	"unitbloom/core/say"
	"unitbloom/internal/proptest"
)

// shown is what a test reads of a frame.
type shown struct {
	Step, Steps int
	Phase       lesson.Phase
	Open        bool
	Prompt      door.StepLine
	Board       struct {
		Models []struct {
			Zones    []door.ZoneView
			ReadOuts []door.ReadOut
		}
	}
}

// given is what the class has before it while a question is open.
type given struct {
	shown
	t    *testing.T
	name string
	step lesson.Step
	// before is what was told in the step before.
	before string
}

// While a question is open, its answer stands over no column, beside no row and in no
// read-out: over every step of every method's sample and of problems like it.
func TestAnOpenQuestionIsAnsweredNowhere(t *testing.T) {
	like := max(1, min(8, proptest.Cases()/50))
	open := 0
	for _, spec := range method.Specs() {
		for seed := range like {
			r, err := method.Typed(spec.ID, spec.Typed)
			require.NoError(t, err)
			if seed > 0 {
				next, err := method.Parallel(r, uint64(seed))
				if err != nil {
					continue
				}
				r = next
			}
			e, err := method.Make(r)
			require.NoError(t, err)
			for _, one := range append([]method.Example{e}, e.More...) {
				sc := one.Scene
				sc.ID, sc.Show = "a", []string{"numeral", "expanded", "unitForm", "words", "placeWords"}
				for k := range sc.Start.Tiles {
					sc.Start.Tiles[k].Beside = []string{"numeral", "bond"}
				}
				d := openLesson(t, lesson.Lesson{Format: 2, Title: "Bulbs", Words: one.Words, Scenes: []lesson.Scene{sc}})
				var f shown
				d.call("show", map[string]any{"scene": "a", "step": 0, "present": true}, &f)
				for f.Step < f.Steps {
					f = shown{}
					d.call("forward", map[string]any{}, &f)
					if f.Open {
						open++
						before := ""
						if f.Step > 0 {
							w := one.Words
							before = sc.Steps[f.Step-1].Say.Text(w) + " " + sc.Steps[f.Step-1].Answer.Text(w)
						}
						given{f, t, spec.ID + " " + strings.Join(r.Args, " ") + " " + sc.Title, sc.Steps[f.Step], before}.check()
					}
				}
			}
		}
	}
	assert.Greater(t, open, 50)
}

func (g given) check() {
	assert.Empty(g.t, g.Prompt.Answer, g.name)
	for i, m := range g.Board.Models {
		for _, r := range m.ReadOuts {
			assert.Containsf(g.t, []string{"", board.Hidden}, r.Text, "%s, step %d, model %d: %s", g.name, g.Step+1, i, r.ID)
		}
	}
	if g.step.Asks == say.Explain {
		return // a reason is asked for, of what the class knows
	}
	moved := len(g.step.Moves) == 0 || g.step.Made(g.Phase)
	ofPlaces := false
	for _, v := range g.step.Answer.Message.Values {
		ofPlaces = ofPlaces || v.Role == say.Answer && (v.Place != nil && v.Text != "" || v.Form != nil)
	}
	for _, v := range g.step.Answer.Message.Values {
		if v.Role != say.Answer {
			continue
		}
		for _, line := range []say.Line{g.step.Say, g.step.Ask} {
			for _, said := range line.Message.Values {
				assert.NotEqualf(g.t, say.Answer, said.Role, "%s: %s", g.name, line.Text(say.Vocabulary{}))
			}
		}
		if moved || v.Place != nil && v.Form == nil {
			g.notShown(v, ofPlaces)
		}
	}
}

func (g given) notShown(v say.Value, ofPlaces bool) {
	for _, m := range g.Board.Models {
		for _, z := range m.Zones {
			switch {
			case v.Form != nil:
				for _, c := range v.Form {
					assert.Falsef(g.t, z.Place != nil && *z.Place == c.Place && z.Count != board.Hidden, "%s, step %d: %s",
						g.name, g.Step+1, z.ID)
				}
			case v.Place != nil && v.Text != "":
				assert.Falsef(g.t, z.Place != nil && *z.Place == *v.Place && z.Count == v.Text, "%s, step %d: %s %s",
					g.name, g.Step+1, z.ID, v.Text)
			default:
				told := strings.FieldsFunc(g.before+" "+g.Prompt.Say+" "+g.Prompt.Ask,
					func(r rune) bool { return !strings.ContainsRune("0123456789.", r) })
				known := slices.ContainsFunc(told, func(n string) bool { return strings.Trim(n, ".") == v.Text })
				other := z.Place != nil && len(g.step.Ask.Message.Places()) > 0 && !strings.Contains(g.Prompt.Ask, z.Label)
				if _, err := number.Parse(v.Text); err == nil && !known && !other && (z.Place == nil || !ofPlaces) {
					assert.NotEqualf(g.t, v.Text, z.Count, "%s, step %d: %s", g.name, g.Step+1, z.ID)
				}
			}
		}
	}
}

// What a question will ask for stands nowhere before, where the pieces lie there already: a
// class that has read 42 over the frame has nothing to find. What was said by then is known.
func TestWhatWillBeAskedStandsNowhereBefore(t *testing.T) {
	questions := 0
	for _, spec := range method.Specs() {
		r, err := method.Typed(spec.ID, spec.Typed)
		require.NoError(t, err)
		for seed := range uint64(4) {
			if next, err := method.Parallel(r, seed); err == nil && seed > 0 {
				r = next
			}
			e, err := method.Make(r)
			require.NoError(t, err)
			sc := e.Scene
			sc.ID = "a"
			d := openLesson(t, lesson.Lesson{Format: 2, Title: "Bulbs", Words: e.Words, Scenes: []lesson.Scene{sc}})
			var f, before shown
			d.call("show", map[string]any{"scene": "a", "step": 0, "present": true}, &f)
			said := ""
			for f.Step < f.Steps {
				before, f = f, shown{}
				d.call("forward", map[string]any{}, &f)
				if f.Open && !before.Open && sc.Steps[f.Step].Asks != say.Explain {
					questions++
					seen := sc.BoardAt(f.Step, lesson.Asked)
					for i, m := range f.Board.Models {
						if i >= len(before.Board.Models) {
							continue
						}
						for _, now := range m.Zones {
							was := zoneOf(before.Board.Models[i].Zones, now.ID)
							real := zoneIn(seen.Lay(i).Zones, now.ID)
							if now.Count != board.Hidden || was.Count == board.Hidden || real.Count == 0 {
								continue
							}
							if now.Place != nil && !strings.Contains(f.Prompt.Ask, now.Label) {
								continue // its count helps to answer, and is not what is asked for
							}
							text := strconv.Itoa(real.Count)
							if was.Count == text && !slices.Contains(strings.FieldsFunc(said+f.Prompt.Say, notDigit), text) {
								t.Errorf("%s %s: %s %s stands before %q", spec.ID, strings.Join(r.Args, " "), now.ID, text, f.Prompt.Ask)
							}
						}
					}
				}
				said += f.Prompt.Say + " " + f.Prompt.Answer + " "
			}
		}
	}
	assert.Greater(t, questions, 100)
}

// What addends make is told when they lie together: 13 over the ones would answer which places
// make ten. In the end the sum can be read off, on discs too.
func TestAddendsApartTellNoSum(t *testing.T) {
	for _, c := range []struct {
		model, typed string
		apart, sum   []string
		fresh        []string // where something new came to what lies apart
	}{
		{"blocks", "146 + 87", []string{"1", "4 + 8", "6 + 7"}, []string{"2", "3", "3"}, []string{"1", "4 + 8 + 1", "3"}},
		{"discs", "146 + 87", []string{"1", "4 + 8", "6 + 7"}, []string{"2", "3", "3"}, []string{"1", "4 + 8 + 1", "3"}},
		{"blocks", "126 × 4", []string{"1 × 4", "2 × 4", "6 × 4"}, []string{"5", "0", "4"},
			[]string{"1 × 4", "2 × 4 + 2", "4"}},
		{"discs", "12.6 × 4", []string{"1 × 4", "2 × 4", "6 × 4"}, []string{"5", "0", "4"}, []string{"1 × 4 + 1", "0", "4"}},
	} {
		r, err := method.Typed("", c.typed)
		require.NoError(t, err)
		r.Model = c.model
		e, err := method.Make(r)
		require.NoError(t, err)
		sc := e.Scene
		sc.ID = "a"
		d := openLesson(t, lesson.Lesson{Format: 2, Title: "Bulbs", Words: e.Words, Scenes: []lesson.Scene{sc}})
		seen := [][]string{}
		for step := range len(sc.Steps) + 1 {
			var f shown
			d.call("show", map[string]any{"scene": "a", "step": step, "present": true}, &f)
			var counts []string
			for _, z := range f.Board.Models[0].Zones {
				if z.Place != nil {
					counts = append(counts, z.Count)
				}
			}
			seen = append(seen, counts)
		}
		assert.Contains(t, seen[:3], c.apart, c.typed)
		assert.Contains(t, seen, c.fresh, c.typed)
		assert.Equal(t, c.sum, seen[len(seen)-1], c.typed)
	}
}

func notDigit(r rune) bool { return r < '0' || r > '9' }

func zoneOf(zones []door.ZoneView, id string) door.ZoneView {
	if i := slices.IndexFunc(zones, func(z door.ZoneView) bool { return z.ID == id }); i >= 0 {
		return zones[i]
	}
	return door.ZoneView{}
}

func zoneIn(zones []board.Zone, id string) board.Zone {
	if i := slices.IndexFunc(zones, func(z board.Zone) bool { return z.ID == id }); i >= 0 {
		return zones[i]
	}
	return board.Zone{}
}

// Groups say what they are worth: 4 tens that are asked for are not told as 40 beside each.
func TestWhatEachGroupGetsIsNotToldAsItsWorth(t *testing.T) {
	for _, c := range []struct {
		method string
		args   []string
	}{{"unit-fact", []string{"240", "/", "6"}}, {"share", []string{"612", "6"}}, {"share", []string{"97", "4"}}} {
		e, err := method.Make(method.Request{Method: c.method, Args: c.args, Model: "discs"})
		require.NoError(t, err)
		sc := e.Scene
		sc.ID = "a"
		d := openLesson(t, lesson.Lesson{Format: 2, Title: "Bulbs", Words: e.Words, Scenes: []lesson.Scene{sc}})
		var f shown
		d.call("show", map[string]any{"scene": "a", "step": 0, "present": true}, &f)
		asked := 0
		for f.Step < f.Steps {
			f = shown{}
			d.call("forward", map[string]any{}, &f)
			if !strings.HasSuffix(f.Prompt.Ask, "does each group get?") || !sc.Steps[f.Step].Made(f.Phase) {
				continue
			}
			for _, z := range f.Board.Models[0].Zones {
				if z.Role != "group" {
					continue
				}
				if asked++; f.Open {
					assert.Equal(t, board.Hidden, z.Count, "%v: %s", c.args, f.Prompt.Ask)
				} else {
					assert.NotEqual(t, board.Hidden, z.Count, "it is told when it is answered")
				}
			}
		}
		assert.Positive(t, asked)
	}
}

// What stands in a bond before the class is not held back again when sentences are asked for.
func TestNumbersOfABondStandBesideTheirRows(t *testing.T) {
	e, err := method.Make(method.Request{Method: "snap", Args: []string{"9", "5"}})
	require.NoError(t, err)
	sc := e.Scene
	sc.ID = "a"
	d := openLesson(t, lesson.Lesson{Format: 2, Title: "Bulbs", Words: e.Words, Scenes: []lesson.Scene{sc}})
	var f shown
	d.call("show", map[string]any{"scene": "a", "step": len(sc.Steps) - 1, "present": true}, &f)
	d.call("forward", map[string]any{}, &f)
	require.True(t, f.Open, "the sentences are asked for")
	var counts []string
	for _, z := range f.Board.Models[0].Zones {
		if z.Number > 0 && !z.Side {
			counts = append(counts, z.Count)
		}
	}
	assert.Equal(t, []string{"5", "4"}, counts)
}
