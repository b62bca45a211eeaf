package lesson_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
)

const twoModels = `{"format":1,"id":"x","title":"Bulbs","words":{},"scenes":[
 {"id":"a","title":"A","start":{"models":[{"kind":"blocks","pieces":[{"place":"ones","count":3}]},
  {"kind":"rack","rows":[6,8]}]}}]}`

func drawn(t *testing.T) lesson.Lesson {
	l := read(t, twoModels)
	one := 1
	l, err := lesson.Apply(l, lesson.Edit{Kind: "ink", Scene: "a", Strokes: []lesson.Stroke{
		{ID: "s", Tool: "pen", Colour: "berry", Width: 2, On: lesson.Anchor{Model: &one, Zone: "row 1"},
			Points: [][2]int{{0, 0}, {100, 40}}},
		{ID: "b", Tool: "ring", Colour: "ink", Width: 1, Points: [][2]int{{0, 0}, {900, 900}}},
	}})
	require.NoError(t, err)
	l, err = lesson.Apply(l, lesson.Edit{Kind: "notes", Scene: "a",
		Notes: []lesson.Note{{ID: "n", Text: "six and eight", On: lesson.Anchor{Model: &one}, X: 5, Y: 5}}})
	require.NoError(t, err)
	return l
}

func TestInkAndNotesAreKeptErasedAndPutAgain(t *testing.T) {
	l := drawn(t)
	assert.Equal(t, text(t, l), text(t, read(t, text(t, l))), "they round-trip")
	after, err := lesson.Apply(l, lesson.Edit{Kind: "ink", Scene: "a", Erase: []string{"s"}})
	require.NoError(t, err)
	assert.Len(t, after.Scenes[0].Ink, 1)
	assert.Len(t, l.Scenes[0].Ink, 2, "the lesson before is as it was")
	after, err = lesson.Apply(l, lesson.Edit{Kind: "notes", Scene: "a", Notes: []lesson.Note{{ID: "n", Text: "fourteen"}}})
	require.NoError(t, err)
	require.Len(t, after.Scenes[0].Notes, 1)
	assert.Equal(t, "fourteen", after.Scenes[0].Notes[0].Text)
}

func TestInkGoesWithItsModel(t *testing.T) {
	l := drawn(t)
	moved, err := lesson.Apply(l, lesson.Edit{Kind: "play", Scene: "a",
		Moves: []board.Move{{Kind: "reorder", Model: 1, Args: board.ToArgs{To: 0}}}})
	require.NoError(t, err)
	assert.Zero(t, *moved.Scenes[0].Ink[0].On.Model)
	assert.Zero(t, *moved.Scenes[0].Notes[0].On.Model)
	assert.Nil(t, moved.Scenes[0].Ink[1].On.Model, "what lies on the board stays there")
	gone, err := lesson.Apply(l, lesson.Edit{Kind: "play", Scene: "a",
		Moves: []board.Move{{Kind: "removeModel", Model: 1}}})
	require.NoError(t, err)
	assert.Len(t, gone.Scenes[0].Ink, 1)
	assert.Empty(t, gone.Scenes[0].Notes)
	left, err := lesson.Apply(l, lesson.Edit{Kind: "play", Scene: "a", Moves: []board.Move{{Kind: "removeModel"}}})
	require.NoError(t, err)
	assert.Zero(t, *left.Scenes[0].Ink[0].On.Model, "it follows to the left")
}

func TestBadInkIsRefusedWithItsPath(t *testing.T) {
	l := drawn(t)
	nine := 9
	for says, e := range map[string]lesson.Edit{
		`ink: strokes[0].tool: "chalk" is not pen, line, ring, arrow or highlighter`: {Strokes: []lesson.Stroke{{ID: "x",
			Tool: "chalk", Colour: "ink", Width: 1, Points: [][2]int{{0, 0}, {1, 1}}}}},
		`ink: strokes[0].colour: "gold" is not ink, berry, pine or amber`: {Strokes: []lesson.Stroke{{ID: "x",
			Tool: "pen", Colour: "gold", Width: 1, Points: [][2]int{{0, 0}, {1, 1}}}}},
		`ink: strokes[0].width: 7 is not from 1 to 3`: {Strokes: []lesson.Stroke{{ID: "x",
			Tool: "pen", Colour: "ink", Width: 7, Points: [][2]int{{0, 0}, {1, 1}}}}},
		`ink: strokes[0].points: it has 1, and at least 2 are needed`: {Strokes: []lesson.Stroke{{ID: "x",
			Tool: "pen", Colour: "ink", Width: 1, Points: [][2]int{{0, 0}}}}},
		`ink: strokes[0].on.model: 9 is not from 0 to 3`: {Strokes: []lesson.Stroke{{ID: "x",
			Tool: "pen", Colour: "ink", Width: 1, On: lesson.Anchor{Model: &nine}, Points: [][2]int{{0, 0}, {1, 1}}}}},
	} {
		e.Kind, e.Scene = "ink", "a"
		after, err := lesson.Apply(l, e)
		require.EqualError(t, err, says)
		assert.Equal(t, text(t, l), text(t, after))
	}
}
