package door_test

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"unitbloom/core/board"
	"unitbloom/core/door"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
	"unitbloom/internal/proptest"
)

func place(t *testing.T, d desk, amount string) {
	t.Helper()
	d.apply(fmt.Sprintf(`{"kind":"place","amount":%q}`, amount))
}

// What was captured is what the moves since then are, whatever was undone and made
// again, and whatever else was done between.
func TestACaptureFollowsUndoAndRedo(t *testing.T) {
	d := openBoard(t, "blocks 0")
	d.call("beginCapture", map[string]any{}, nil)
	place(t, d, "3")
	place(t, d, "4")
	d.call("undo", map[string]any{}, nil)
	var up struct {
		Frame struct{ Capture door.Captured }
	}
	d.call("redo", map[string]any{}, &up)
	assert.Equal(t, door.Captured{On: true, Moves: 2}, up.Frame.Capture)
	d.call("edit", map[string]any{"edit": map[string]any{"kind": "setLesson",
		"head": map[string]any{"title": "Seeds", "words": map[string]any{}}}}, nil)
	d.call("undo", map[string]any{}, nil)
	var c door.Captured
	d.call("endStep", map[string]any{"say": "Seven."}, &c)
	assert.Equal(t, door.Captured{On: true, Steps: 1}, c)
	d.call("endCapture", map[string]any{"id": "mine", "title": "Mine"}, nil)
	made := d.document().Scenes[1]
	require.Len(t, made.Steps, 1)
	assert.Len(t, made.Steps[0].Moves, 2)
	assert.Equal(t, "7", made.Steps[0].Total)
}

func TestUndoOpensACapturedStepAgain(t *testing.T) {
	d := openBoard(t, "blocks 0")
	d.call("beginCapture", map[string]any{}, nil)
	place(t, d, "3")
	d.call("endStep", map[string]any{"say": "Three."}, nil)
	place(t, d, "4")
	captured := func(op string) door.Captured {
		var up struct {
			Frame struct{ Capture door.Captured }
		}
		d.call(op, map[string]any{}, &up)
		return up.Frame.Capture
	}
	assert.Equal(t, door.Captured{On: true, Steps: 1}, captured("undo"))
	assert.Equal(t, door.Captured{On: true, Moves: 1}, captured("undo"), "the step is open again")
	assert.Equal(t, door.Captured{On: true, Steps: 1}, captured("redo"))
	assert.Equal(t, door.Captured{On: true, Steps: 1, Moves: 1}, captured("redo"))
	d.call("dropCapture", map[string]any{}, nil)
	assert.Equal(t, door.Captured{On: true, Steps: 1, Moves: 1}, captured("undo"), "a capture that was stopped comes back")
	d.call("clear", map[string]any{"what": []string{"pieces"}}, nil)
	d.call("endCapture", map[string]any{"id": "mine", "title": "Mine"}, nil)
	made := d.document().Scenes[1]
	assert.Equal(t, "0", made.Steps[1].Total, "putting the pieces away is a move like any other")
}

func TestAScratchCopyStaysWhereItCannotBeKept(t *testing.T) {
	l, err := lesson.Decode([]byte(`{"format":9,"title":"Bulbs","scenes":[{"id":"a","title":"A",` +
		`"start":{"models":[{"kind":"blocks","pieces":[{"place":"ones","count":13}]}]}}]}`))
	require.NoError(t, err)
	d := openLesson(t, l)
	assert.True(t, d.apply(`{"kind":"bundle","place":"ones"}`).Scratch)
	assert.Contains(t, d.try("keepScratch", map[string]any{}, nil), "only read here")
	assert.Equal(t, "blocks 1t 3o", d.apply(`{"kind":"tidy"}`).Notation, "it is still there")
}

// After a fault in the core the session is as it was before the call.
func TestAFaultLeavesTheSessionAsItWas(t *testing.T) {
	d := openBoard(t, "tally 4")
	place := `{"kind":"mark","count":2}`
	d.apply(place)
	before, outline := asText(t, d.document()), ""
	look := func() string {
		var f json.RawMessage
		d.call("show", map[string]any{"scene": "a"}, &f)
		return string(f)
	}
	outline = look()
	for _, fault := range []string{"apply", "layout"} {
		out := string(d.door.Call("apply", fmt.Appendf(nil, `{"handle":%d,"move":{"kind":"break","in":%q}}`, d.handle,
			fault)))
		assert.Contains(t, out, `"code":"fault"`, fault)
		assert.Contains(t, out, "The board is as it was.")
		assert.Equal(t, before, asText(t, d.document()), fault)
		assert.Equal(t, outline, look(), fault)
	}
	d.apply(place)
	var up struct {
		Frame struct{ Board struct{ Notation string } }
	}
	d.call("undo", map[string]any{}, &up)
	d.call("undo", map[string]any{}, &up)
	assert.Equal(t, "tally 4", up.Frame.Board.Notation, "the history is whole")
}

// Moves that belong together are one act: one line to undo, or none where one of them is refused.
func TestMovesThatBelongTogetherAreOneAct(t *testing.T) {
	d := openBoard(t, "discs 3o", "numeral")
	server := d.document()
	var both delta
	act := func(then string) (refused string) {
		return d.try("apply", map[string]any{"move": json.RawMessage(`{"kind":"addModel","of":"blocks"}`),
			"then": []json.RawMessage{json.RawMessage(then), json.RawMessage(`{"kind":"style","model":1,"style":"sketch"}`)}},
			&both)
	}
	require.NotEmpty(t, act(`{"kind":"link","model":1,"with":7}`))
	assert.Equal(t, asText(t, server), asText(t, d.document()), "nothing of it is made")
	require.Empty(t, act(`{"kind":"link","model":1,"with":0}`))
	require.Len(t, both.Edits, 1)
	after, err := lesson.Apply(server, both.Edits[0])
	require.NoError(t, err)
	assert.Equal(t, asText(t, d.document()), asText(t, after))
	assert.Equal(t, "discs 3o | blocks 3o", board.Print(after.Scenes[0].Start))
	var up struct{ Frame struct{ CanUndo bool } }
	d.call("undo", map[string]any{}, &up)
	assert.False(t, up.Frame.CanUndo)
	assert.Equal(t, asText(t, server), asText(t, d.document()))
}

// What a step does several times over is told once, when all of it has moved.
func TestWhatAStepDoesIsToldTogether(t *testing.T) {
	d := openBoard(t, "blocks 0", "numeral")
	d.call("addExample", map[string]any{"id": "x", "method": "count", "typed": "4, 3, 3"}, nil)
	var frame struct{ Words []string }
	var told []string
	for range 12 {
		d.call("forward", map[string]any{}, &frame)
		if n := len(frame.Words); n > 0 {
			told = append(told, frame.Words[n-1])
			assert.NotContains(t, frame.Words, "1 one more.")
		}
	}
	assert.Subset(t, told, []string{"3 ones more.", "9 ones fewer."})
}

// Undo sends what changed and no more: not the scene with all its ink.
func TestUndoSendsTheSmallInverse(t *testing.T) {
	l := lesson.Lesson{Format: lesson.Format, Title: "Ink"}
	b, err := board.Parse("blocks 1o")
	require.NoError(t, err)
	sc := lesson.Scene{ID: "a", Title: "A", Start: b}
	for i := range 400 {
		s := lesson.Stroke{ID: fmt.Sprint("s", i), Tool: "pen", Colour: "ink", Width: 1}
		for k := range 1000 {
			s.Points = append(s.Points, [2]int{k, i})
		}
		sc.Ink = append(sc.Ink, s)
	}
	l.Scenes = []lesson.Scene{sc}
	d := openLesson(t, l)
	server := d.document()
	follow := func(edits []lesson.Edit) {
		for _, e := range edits {
			require.Less(t, len(asText(t, e)), 1<<20, "each edit is of a moderate length")
			server, err = lesson.Apply(server, e)
			require.NoError(t, err)
		}
		require.Equal(t, asText(t, d.document()), asText(t, server))
	}
	turn := func(op string, arg map[string]any) int {
		var up struct{ Edits []lesson.Edit }
		d.call(op, arg, &up)
		follow(up.Edits)
		return len(asText(t, up.Edits))
	}
	follow(d.apply(`{"kind":"place","amount":"1 ten"}`).Edits)
	assert.Less(t, turn("undo", map[string]any{}), 300)
	assert.Less(t, turn("redo", map[string]any{}), 300)
	assert.Less(t, turn("edit", map[string]any{"edit": lesson.Edit{Kind: "ink", Scene: "a", Erase: []string{"s7"}}}), 300)
	assert.Less(t, turn("undo", map[string]any{}), 30_000, "one stroke, and the order in which they lie")
	assert.Less(t, turn("clear", map[string]any{"what": []string{"ink"}}), 10_000)
	turn("undo", map[string]any{})
	turn("edit", map[string]any{"edit": lesson.Edit{Kind: "removeScene", Scene: "a"}})
	turn("undo", map[string]any{})
}

// Undone, what was added leaves the lesson where it stood; a scene that is taken out gives way to the one before.
func TestALessonStaysWhereItStoodWhenASceneGoes(t *testing.T) {
	d := openBoard(t, "blocks 0")
	example := map[string]any{"id": "x", "method": "column-add", "args": []string{"58", "67"}}
	d.call("addExample", example, nil)
	d.call("addBoard", map[string]any{"id": "z", "title": "Last", "kinds": []string{"rack"}}, nil)
	show := func(scene string) { d.call("show", map[string]any{"scene": scene, "step": 0}, nil) }
	var up struct{ Frame struct{ Scene string } }
	show("x")
	d.call("addSet", map[string]any{"scene": "x", "id": "n", "seed": 3, "count": 10}, &up)
	show("n-4")
	d.call("undo", map[string]any{}, &up)
	assert.Equal(t, "x", up.Frame.Scene)
	d.call("redo", map[string]any{}, &up)
	assert.Equal(t, "x", up.Frame.Scene)
	show("z")
	d.call("edit", map[string]any{"edit": lesson.Edit{Kind: "removeScene", Scene: "z"}}, &up)
	assert.Equal(t, "n-10", up.Frame.Scene)
	show("a")
	d.call("edit", map[string]any{"edit": lesson.Edit{Kind: "removeScene", Scene: "a"}}, &up)
	assert.Equal(t, "x", up.Frame.Scene, "none is before it")
}

// randomAct draws an act on the lesson, by the door.
func randomAct(t *rapid.T, d desk, n int) (string, map[string]any) {
	scenes := []string{"a", "b", "c", "gone"}
	scene := rapid.SampledFrom(scenes).Draw(t, "scene")
	id := fmt.Sprint("n", rapid.IntRange(0, 5).Draw(t, "id"))
	points := [][2]int{{0, 0}, {n, n}}
	edit := func(e lesson.Edit) (string, map[string]any) { return "edit", map[string]any{"edit": e} }
	switch rapid.IntRange(0, 14).Draw(t, "act") {
	case 0:
		return edit(lesson.Edit{Kind: "ink", Scene: scene, Strokes: []lesson.Stroke{{ID: id, Tool: "pen", Colour: "ink",
			Width: 1, Points: points}}})
	case 1:
		return edit(lesson.Edit{Kind: "ink", Scene: scene, Erase: []string{id}})
	case 2:
		return edit(lesson.Edit{Kind: "notes", Scene: scene, Notes: []lesson.Note{{ID: id, Text: fmt.Sprint("note ", n)}}})
	case 3:
		return edit(lesson.Edit{Kind: "removeScene", Scene: scene})
	case 4:
		return "addBoard", map[string]any{"id": rapid.SampledFrom(scenes).Draw(t, "new"), "title": "New",
			"kinds": []string{"rack"}, "at": 0}
	case 5:
		return "addExample", map[string]any{"id": rapid.SampledFrom(scenes).Draw(t, "new"), "typed": fmt.Sprint(n, " + 5")}
	case 6:
		return "setScene", map[string]any{"scene": scene, "title": fmt.Sprint("Title ", n), "show": []string{"words"}}
	case 7:
		return "editStep", map[string]any{"scene": scene, "step": rapid.IntRange(0, 4).Draw(t, "step"),
			"say": fmt.Sprint("Say ", n)}
	case 8:
		return "editStep", map[string]any{"scene": scene, "step": rapid.IntRange(0, 4).Draw(t, "step"), "remove": true}
	case 9:
		return "reshape", map[string]any{"scene": scene, "step": rapid.IntRange(0, 4).Draw(t, "step"),
			"how": rapid.SampledFrom([]string{"split", "join", "earlier", "later"}).Draw(t, "how")}
	case 10:
		return edit(lesson.Edit{Kind: "setRecord", Record: []lesson.Entry{{Text: fmt.Sprint(n, " = ", n)}}})
	case 11:
		at := 0
		return edit(lesson.Edit{Kind: "record", At: &at, Record: []lesson.Entry{{Text: fmt.Sprint("line ", n)}}})
	case 12:
		return edit(lesson.Edit{Kind: "setLesson", Head: &lesson.Head{Title: fmt.Sprint("Lesson ", n),
			Words: say.Vocabulary{Ones: "units"}}})
	case 13:
		return edit(lesson.Edit{Kind: "orderScenes", Order: []string{"b", "a", "c"}})
	}
	return "clear", map[string]any{"what": []string{rapid.SampledFrom([]string{"pieces", "ink", "notes", "record"}).Draw(t,
		"what")}}
}

// Whatever is done, undone and made again: the edits bring the server to the same
// lesson, which can be taken away and brought back, and undo leads to where it was.
func TestEveryActIsSavedUndoneAndKept(t *testing.T) {
	proptest.CheckUpTo(t, 400, func(rt *rapid.T) {
		d := openBoard(t, "blocks 1h 4t 13o")
		server, seen := d.document(), []string{asText(t, d.document())}
		follow := func(edits []lesson.Edit) {
			for _, e := range edits {
				var read lesson.Edit
				require.NoError(rt, json.Unmarshal([]byte(asText(t, e)), &read))
				var err error
				server, err = lesson.Apply(server, read)
				require.NoError(rt, err)
			}
			require.Equal(rt, asText(t, d.document()), asText(t, server))
		}
		var up struct{ Edits []lesson.Edit }
		for n := range rapid.IntRange(1, 12).Draw(rt, "acts") {
			op, arg := randomAct(rt, d, n)
			up.Edits = nil
			if rapid.IntRange(0, 2).Draw(rt, "move") == 0 {
				op, arg = "apply", map[string]any{"move": json.RawMessage(fmt.Sprintf(`{"kind":"place","amount":"%d"}`, n))}
			}
			if refused := d.try(op, arg, &up); refused != "" {
				continue
			}
			follow(up.Edits)
			file, err := lesson.Decode([]byte(asText(t, server)))
			require.NoError(rt, err)
			require.Empty(rt, file.Faults(), "it can be brought back")
			if op == "apply" && len(up.Edits) == 0 {
				d.call("dropScratch", map[string]any{}, nil) // it was done in the middle of an example
				continue
			}
			seen = append(seen, asText(t, d.document()))
		}
		for i := len(seen) - 2; i >= 0; i-- {
			up.Edits = nil
			d.call("undo", map[string]any{}, &up)
			follow(up.Edits)
			require.Equal(rt, seen[i], asText(t, d.document()))
		}
		for i := 1; i < len(seen); i++ {
			up.Edits = nil
			d.call("redo", map[string]any{}, &up)
			follow(up.Edits)
			require.Equal(rt, seen[i], asText(t, d.document()))
		}
	})
}

func TestEveryOperationIsStrict(t *testing.T) {
	for _, o := range door.Operations() {
		assert.NotEmpty(t, o.Doc, o.Name)
		d := openBoard(t, "blocks 3o")
		out := string(d.door.Call(o.Name, fmt.Appendf(nil, `{"handle":%d,"plaice":1}`, d.handle)))
		if !o.OnOpen {
			out = string(d.door.Call(o.Name, []byte(`{"plaice":1}`)))
		}
		assert.Truef(t, strings.Contains(out, `there is no field \"plaice\"`), "%s: %s", o.Name, out)
	}
}

// Several edits are one act: made together, taken back together, and none where one is refused.
func TestSeveralEditsAreOneAct(t *testing.T) {
	d := openBoard(t, "blocks 1t")
	for _, id := range []string{"b", "c", "d"} {
		d.call("addBoard", map[string]any{"id": id, "title": id, "kinds": []string{"rack"}}, nil)
	}
	ids := func() (list []string) {
		for _, sc := range d.document().Scenes {
			list = append(list, sc.ID)
		}
		return list
	}
	remove := func(scenes ...string) map[string]any {
		var edits []map[string]any
		for _, id := range scenes {
			edits = append(edits, map[string]any{"kind": "removeScene", "scene": id})
		}
		return map[string]any{"edits": edits}
	}
	d.call("edits", remove("b", "d"), nil)
	assert.Equal(t, []string{"a", "c"}, ids())
	d.call("undo", map[string]any{}, nil)
	assert.Equal(t, []string{"a", "b", "c", "d"}, ids())
	assert.NotEmpty(t, d.try("edits", remove("b", "nowhere"), nil))
	assert.Equal(t, []string{"a", "b", "c", "d"}, ids())
}

// What an example hides is not told as it is laid, nor seen on the way to its place.
func TestWhatAnExampleHidesIsNotTold(t *testing.T) {
	for typed, secret := range map[string]string{"17 + ? = 30": "13", "? + 14 = 31": "17", "? × 7 = 91": "13",
		"8 + ? = 9 + 14": "15"} {
		d := openBoard(t, "blocks 0", "numeral")
		d.call("addExample", map[string]any{"id": "x", "method": "unknown", "typed": typed}, nil)
		var frame struct {
			Step  int
			Words []string
			Beats []struct {
				Models []struct {
					Pieces []any
					Zones  []struct{ Count string }
				}
			}
		}
		for frame.Step < 1 {
			d.call("forward", map[string]any{}, &frame)
		}
		require.NotEmpty(t, frame.Words, typed)
		assert.NotContains(t, strings.Join(frame.Words, " "), secret, typed)
		assert.Contains(t, frame.Words, "Done under the cover.", typed)
		for _, beat := range frame.Beats {
			for _, z := range beat.Models[0].Zones {
				assert.NotEqual(t, secret, z.Count, typed)
			}
		}
	}
}
