package lesson_test

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

func zonesOf(f lesson.Focus) []string {
	var out []string
	for _, z := range f.Zones {
		out = append(out, z.Zone)
	}
	return out
}

// A step looks where its moves change something and at what it writes; one that only asks,
// at the places that it speaks of.
func TestAStepLooksAtWhatItIsAbout(t *testing.T) {
	e, err := method.Make(method.Request{Method: "column-add", Args: []string{"146", "87"},
		Options: map[string]string{"ask": "every step"}})
	require.NoError(t, err)
	sc := e.Scene
	seen := 0
	for i, s := range sc.Steps {
		f := sc.FocusAt(i)
		if len(s.Moves) > 0 && s.Moves[0].Kind == "bundle" {
			seen++
			assert.Contains(t, zonesOf(f), "tens")
			assert.NotEmpty(t, f.Cells)
			assert.NotEmpty(t, f.Pieces)
		}
		if s.Ask.Message.ID == "columnAdd.regroup" && seen == 0 {
			assert.Contains(t, zonesOf(f), "ones")
		}
	}
	assert.Positive(t, seen)
	assert.Equal(t, lesson.Focus{}, sc.FocusAt(-1))
	assert.Equal(t, lesson.Focus{}, sc.FocusAt(len(sc.Steps)))

	own := lesson.Focus{Zones: []lesson.ZoneOf{{Zone: "hundreds"}}}
	sc.Steps[3].Focus = &own
	assert.Equal(t, own, sc.FocusAt(3), "what the step says itself goes before")
}

// What can be done is asked of the place that has too few: it stands in the light with the
// ones that are opened, and so do the digits that marks are written over.
func TestADecisionLooksAtThePlaceThatNeedsIt(t *testing.T) {
	e, err := method.Make(method.Request{Method: "column-subtract", Args: []string{"402", "27"}, Model: "blocks"})
	require.NoError(t, err)
	asked := slices.IndexFunc(e.Scene.Steps, func(s lesson.Step) bool { return s.Asks == say.Decide })
	require.Positive(t, asked)
	f := e.Scene.FocusAt(asked)
	assert.ElementsMatch(t, []string{"hundreds", "tens", "ones"}, zonesOf(f))
	var cells []string
	for _, c := range f.Cells {
		cells = append(cells, c.Row+" "+c.Place.Plural())
	}
	assert.Subset(t, cells, []string{"mark hundreds", "mark tens", "addend 1 hundreds", "addend 1 ones", "addend 2 ones"})

	then := e.Scene.FocusAt(asked + 1)
	assert.NotContains(t, zonesOf(then), "hundreds", "the next stage is about tens and ones")
}

// What is shared out is looked at where it comes from and where it goes.
func TestAStepLooksAtWhereThingsComeFrom(t *testing.T) {
	e, err := method.Make(method.Request{Method: "share", Args: []string{"97", "4"}, Model: "discs"})
	require.NoError(t, err)
	shared := 0
	for i, s := range e.Scene.Steps {
		zones := zonesOf(e.Scene.FocusAt(i))
		if slices.Contains(zones, "group 1") && len(s.Moves) > 0 && s.Say.Message.ID != "" {
			shared++
			assert.True(t, slices.Contains(zones, "tens") || slices.Contains(zones, "ones"), "%v", zones)
		}
	}
	assert.Positive(t, shared)
}

func TestAStepThatOnlyAsksLooksAtThePlacesItNames(t *testing.T) {
	start, err := board.Parse("blocks 1h 4t 6o")
	require.NoError(t, err)
	sc := lesson.Scene{ID: "a", Start: start, Steps: []lesson.Step{step("look", false)}}
	assert.Empty(t, zonesOf(sc.FocusAt(0)), "a text of the teacher's own names none")
	e, err := method.Make(method.Request{Method: "read", Args: []string{"blocks 1h 4t 6o"}})
	require.NoError(t, err)
	var named []string
	for i := range e.Scene.Steps {
		named = append(named, zonesOf(e.Scene.FocusAt(i))...)
	}
	for _, p := range []place.Place{place.Ones, place.Tens, place.Hundreds} {
		assert.Contains(t, named, p.Plural())
	}
}

// Two numbers are compared at one place, and it is looked at on both.
func TestWhatIsComparedIsLookedAtOnBothModels(t *testing.T) {
	e, err := method.Make(method.Request{Method: "compare", Args: []string{"408", "480"}})
	require.NoError(t, err)
	both := 0
	for i := range e.Scene.Steps {
		f := e.Scene.FocusAt(i)
		if slices.Contains(f.Zones, lesson.ZoneOf{Model: 0, Zone: "tens"}) &&
			slices.Contains(f.Zones, lesson.ZoneOf{Model: 1, Zone: "tens"}) {
			both++
		}
	}
	assert.Positive(t, both)
}

// A digit that a number lacks is looked at where it would stand, on both.
func TestAMissingDigitIsLookedForInItsPlace(t *testing.T) {
	e, err := method.Make(method.Request{Method: "compare", Args: []string{"3.5", "3.45"}})
	require.NoError(t, err)
	at := slices.IndexFunc(e.Scene.Steps, func(s lesson.Step) bool { return s.Say.Message.ID == "compare.missing" })
	require.Positive(t, at)
	assert.Equal(t, []lesson.ZoneOf{{Model: 0, Zone: "hundredths"}, {Model: 1, Zone: "hundredths"}},
		e.Scene.FocusAt(at).Zones)
}

// The sentence of all that was done is about all that lies there, asked or told.
func TestWhatTellsAllIsAboutAllThatLiesThere(t *testing.T) {
	for _, ask := range []string{"key steps", "every step", "never"} {
		e, err := method.Make(method.Request{Method: "column-add", Args: []string{"146", "87"}, Model: "blocks",
			Options: map[string]string{"ask": ask}})
		require.NoError(t, err)
		at := slices.IndexFunc(e.Scene.Steps, func(s lesson.Step) bool { return s.Say.Message.ID == "columnAdd.whole" })
		require.Positive(t, at)
		zones := zonesOf(e.Scene.FocusAt(at))
		assert.True(t, len(zones) == 0 || slices.Contains(zones, "hundreds"), "%s: %v", ask, zones)
	}
}

// Every zone that a step of any method looks at is on its board.
func TestWhatIsLookedAtIsThere(t *testing.T) {
	for _, spec := range method.Specs() {
		e, err := method.Make(method.Request{Method: spec.ID, Args: spec.Sample})
		require.NoError(t, err)
		for i, s := range e.Scene.Steps {
			before, _ := e.Scene.At(i)
			after, err := board.ApplyAll(before, s.Moves)
			require.NoError(t, err)
			for _, z := range e.Scene.FocusAt(i).Zones {
				there := false
				for _, b := range []board.Board{before, after} {
					if z.Model < len(b.Models) {
						for _, zone := range b.Lay(z.Model).Zones {
							there = there || zone.ID == z.Zone
						}
						for _, p := range b.Lay(z.Model).Pieces {
							there = there || p.Zone == z.Zone
						}
					}
				}
				assert.True(t, there, "%s, step %d: %s", spec.ID, i+1, z.Zone)
			}
		}
	}
}

// How many are left is looked for among those that are left, not where some went.
func TestAQuestionOfAllLooksAtAll(t *testing.T) {
	for _, model := range []string{"rack", "counters"} {
		e, err := method.Make(method.Request{Method: "subtract-facts", Args: []string{"17", "10"}, Model: model})
		require.NoError(t, err)
		i := slices.IndexFunc(e.Scene.Steps, func(s lesson.Step) bool { return s.Ask.Message.ID == "minus.left.ask" })
		require.GreaterOrEqual(t, i, 0)
		b := e.Scene.BoardAt(i+1, lesson.Rest)
		for _, zone := range b.Lay(0).Zones {
			assert.Contains(t, zonesOf(e.Scene.FocusAt(i)), zone.ID, model)
		}
	}
}

// What is asked of the whole board is asked of each model on it, whichever moved.
func TestAQuestionOfAllLooksAtEachModel(t *testing.T) {
	start, err := board.Parse("rack 2: 3 4 | rack 2: 6 8")
	require.NoError(t, err)
	home := board.Move{Kind: "home", Model: 1, Args: board.NoArgs{}}
	sc := lesson.Scene{ID: "a", Start: start, Steps: []lesson.Step{{Ask: say.Line{Own: "How many are there now?"},
		Asks: say.Look, Moves: []board.Move{home}}}}
	seen := map[int]bool{}
	for _, z := range sc.FocusAt(0).Zones {
		seen[z.Model] = true
	}
	assert.Equal(t, map[int]bool{0: true, 1: true}, seen)
}

// On any board: what a step adds is looked at, and of a step that no longer fits what it speaks of,
// once on each model that has it.
func TestAStepLooksAtWhatIsThere(t *testing.T) {
	looks := func(text string, steps ...lesson.Step) []lesson.ZoneOf {
		t.Helper()
		start, err := board.Parse(text)
		require.NoError(t, err)
		sc := lesson.Scene{ID: "a", Start: start, Steps: steps}
		return sc.FocusAt(len(steps) - 1).Zones
	}
	tens := say.Line{Message: say.New("columnAdd.why.answer", say.PlaceName("place", place.Ones),
		say.PlaceName("next", place.Tens))}
	bundle, clear := moveOf(t, `{"kind":"bundle","place":"ones"}`), moveOf(t, `{"kind":"clear"}`)
	add := moveOf(t, `{"kind":"addModel","of":"rack"}`)

	assert.Contains(t, looks("blocks 6o", lesson.Step{Moves: []board.Move{add}}), lesson.ZoneOf{Model: 1, Zone: "row 1"})
	both := []lesson.ZoneOf{{Zone: "ones"}, {Model: 2, Zone: "ones"}, {Zone: "tens"}, {Model: 2, Zone: "tens"}}
	assert.ElementsMatch(t, both, looks("blocks 6o | rack 2: 6 8 | discs 3o", lesson.Step{Say: tens, Ask: tens}),
		"a rack has no columns")
	assert.Equal(t, []lesson.ZoneOf{{Zone: "ones"}, {Zone: "tens"}},
		looks("blocks 6o", lesson.Step{Say: tens, Moves: []board.Move{bundle}}), "six ones make no ten")
	assert.Equal(t, []lesson.ZoneOf{{Zone: "ones"}, {Zone: "tens"}},
		looks("blocks 6o", lesson.Step{Moves: []board.Move{bundle}}, lesson.Step{Say: tens, Moves: []board.Move{clear}}),
		"a step after one that does not fit moves nothing")
}
