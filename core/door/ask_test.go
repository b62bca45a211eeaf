package door_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/door"
	"unitbloom/core/lesson"
)

// turned is what of a door.Turned these tests look at.
type turned struct {
	Outline struct {
		Scenes []door.SceneLine
		Record []lesson.Entry
	}
	Frame struct {
		Scene string
		Ink   []lesson.Stroke
		Board struct{ Notation string }
	}
}

func TestPiecesAreCountedTensFirst(t *testing.T) {
	d := openBoard(t, "blocks 3t 2o")
	d.call("show", map[string]any{"scene": "a"}, nil)
	var counts []door.Reached
	d.call("counting", map[string]any{"model": 0}, &counts)
	var said []string
	for _, c := range counts {
		said = append(said, c.Words)
	}
	assert.Equal(t, []string{"ten", "twenty", "thirty", "thirty-one", "thirty-two"}, said)
	d.call("apply", map[string]any{"move": map[string]any{"kind": "cover", "zone": "ones"}}, nil)
	assert.Equal(t, "Something is covered. Show it first.", d.try("counting", map[string]any{"model": 0}, nil))
}

func TestBuildsAreListedOrCounted(t *testing.T) {
	d := openBoard(t, "blocks 0")
	var b door.Builds
	d.call("builds", map[string]any{"text": "23"}, &b)
	assert.Equal(t, []string{"2 tens 3 ones", "1 ten 13 ones", "23 ones"}, b.Forms)
	d.call("builds", map[string]any{"text": "300"}, &b)
	assert.Equal(t, b.Count, len(b.Forms), "all to 300")
	assert.Equal(t, 31+21+11+1, b.Count)
	d.call("builds", map[string]any{"text": "4070"}, &b)
	assert.Len(t, b.Forms, 50)
	assert.Greater(t, b.Count, 50)
	assert.Contains(t, d.try("builds", map[string]any{"text": "3.5"}, nil), "not a whole number")
}

func TestSentencesAreJudgedAgainstTheModelUnlessItIsCovered(t *testing.T) {
	d := openBoard(t, "counters 2x5: 6 + 3")
	d.call("show", map[string]any{"scene": "a"}, nil)
	var v door.Verdict
	d.call("judge", map[string]any{"text": "6 + 3 = 9"}, &v)
	assert.Equal(t, "true", v.State)
	assert.True(t, v.Fits)
	assert.Equal(t, "It fits what the counters show.", v.Model)
	v = door.Verdict{}
	d.call("judge", map[string]any{"text": "4 + 4 = 8"}, &v)
	assert.False(t, v.Fits)
	assert.Equal(t, "The counters show 9.", v.Model)
	d.call("apply", map[string]any{"move": map[string]any{"kind": "cover", "zone": "all"}}, nil)
	v = door.Verdict{}
	d.call("judge", map[string]any{"text": "4 + 4 = 8"}, &v)
	assert.Empty(t, v.Model, "what is covered is not given away")
	assert.Equal(t, "Two models are needed to compare.", d.try("compare", map[string]any{}, nil))
}

func TestFourThingsAreClearedEachOnItsOwn(t *testing.T) {
	d := openBoard(t, "blocks 3o | rack 1: 4")
	d.call("show", map[string]any{"scene": "a"}, nil)
	ink := []any{map[string]any{"id": "s", "tool": "pen", "colour": "ink", "width": 1, "on": map[string]any{},
		"points": [][2]int{{0, 0}, {9, 9}}}}
	d.call("edit", map[string]any{"edit": map[string]any{"kind": "ink", "scene": "a", "strokes": ink}}, nil)
	d.call("edit", map[string]any{"edit": map[string]any{"kind": "setRecord",
		"record": []any{map[string]any{"text": "3 + 4 = 7"}}}}, nil)
	var got turned
	d.call("clear", map[string]any{"what": []string{"pieces"}}, &got)
	assert.Equal(t, "blocks 0 | rack 1: 0", got.Frame.Board.Notation)
	assert.Len(t, got.Frame.Ink, 1)
	assert.Len(t, got.Outline.Record, 1)
	d.call("clear", map[string]any{"what": []string{"ink", "record"}}, &got)
	assert.Empty(t, got.Frame.Ink)
	assert.Empty(t, got.Outline.Record)
	d.call("undo", map[string]any{}, &got)
	assert.Len(t, got.Frame.Ink, 1)
	d.call("undo", map[string]any{}, &got)
	assert.Equal(t, "blocks 3o | rack 1: 4", got.Frame.Board.Notation)
	assert.Contains(t, d.try("clear", map[string]any{"what": []string{"sun"}}, nil), `"sun" cannot be cleared`)
}

func TestACaptureIsAWorkedExampleLikeAnyOther(t *testing.T) {
	d := openBoard(t, "blocks 13o")
	d.call("show", map[string]any{"scene": "a"}, nil)
	var c door.Captured
	d.call("beginCapture", map[string]any{}, &c)
	d.call("apply", map[string]any{"move": map[string]any{"kind": "place", "amount": "1 ten"}}, nil)
	d.call("undo", map[string]any{}, nil)
	d.call("apply", map[string]any{"move": map[string]any{"kind": "bundle", "place": "ones"}}, nil)
	d.call("endStep", map[string]any{"say": "Ten make one."}, &c)
	assert.Equal(t, door.Captured{On: true, Steps: 1}, c)
	assert.Equal(t, "Nothing was done or said in this step yet.", d.try("endStep", map[string]any{}, nil))
	d.call("apply", map[string]any{"move": map[string]any{"kind": "place", "amount": "2 ones"}}, nil)
	d.call("endCapture", map[string]any{"id": "c", "title": "Mine"}, nil)
	var doc lesson.Lesson
	d.call("document", map[string]any{}, &doc)
	sc, at := doc.Scene("c")
	require.Equal(t, 1, at)
	require.Len(t, sc.Steps, 2)
	assert.Len(t, sc.Steps[0].Moves, 1, "the undone move is not in it")
	for _, o := range sc.Replay() {
		assert.NoError(t, o.Err)
	}
	assert.Equal(t, "15", sc.Steps[1].Total)
}

func TestStepsAreReshapedWhereTheMovesAllowIt(t *testing.T) {
	d := openLesson(t, lesson.Lesson{Format: 1, Title: "T"})
	d.call("addExample", map[string]any{"id": "x", "typed": "146 + 87"}, nil)
	steps := func() int {
		var o door.Outline
		d.call("outline", map[string]any{}, &o)
		for _, s := range o.Scenes[0].Steps {
			assert.Empty(t, s.Misfit)
		}
		return len(o.Scenes[0].Steps)
	}
	all := steps()
	reshape := func(step int, how string) string {
		return d.try("reshape", map[string]any{"scene": "x", "step": step, "how": how}, nil)
	}
	assert.Empty(t, reshape(0, "split"))
	assert.Equal(t, all+1, steps())
	assert.Empty(t, reshape(0, "join"))
	assert.Equal(t, all, steps())
	assert.Contains(t, reshape(5, "earlier"), "does not fit then", "bundled before it was ringed, with too few together")
	assert.Equal(t, "There is no step there.", reshape(all-1, "later"))
	assert.Equal(t, "This step has one move or none. There is nothing to split.", reshape(2, "split"))
	var got turned
	d.call("anotherLike", map[string]any{"scene": "x", "id": "y", "seed": 4}, &got)
	require.Len(t, got.Outline.Scenes, 2)
	assert.NotEqual(t, got.Outline.Scenes[0].Problem, got.Outline.Scenes[1].Problem)
	assert.Equal(t, "y", got.Frame.Scene)
}

// A piece is told to those who do not see it: where it lies, which of how many, what became of
// it; never how many where that is held back or covered.
func TestAPieceIsToldByItsPlace(t *testing.T) {
	d := openBoard(t, "blocks 4t 6o")
	at := func(model, piece int) (text string) {
		var said door.PieceSaid
		if why := d.try("pieceAt", map[string]any{"model": model, "piece": piece}, &said); why != "" {
			return why
		}
		return said.Text
	}
	d.call("show", map[string]any{"scene": "a"}, nil)
	assert.Equal(t, "Tens: 2 of 4.", at(0, 2))
	assert.Equal(t, "Ones: 6 of 6.", at(0, 10))
	d.apply(`{"kind":"cross","pieces":[{"place":"tens","count":1}]}`)
	assert.Contains(t, at(0, 4)+at(0, 1), "Crossed out.")
	d.apply(`{"kind":"cover","zone":"ones"}`)
	assert.Equal(t, "piece: there is no piece 10 here.", at(0, 10))
	assert.Equal(t, "model: there is no model 3 here.", at(3, 1))
}
