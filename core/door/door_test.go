package door_test

import (
	"encoding/json"
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/door"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
	"unitbloom/core/sentence"
)

// desk is an open lesson, seen as a host sees it.
type desk struct {
	t      *testing.T
	door   *door.Door
	handle int
}

func openLesson(t *testing.T, l lesson.Lesson) desk {
	d := desk{t: t, door: door.New()}
	var opened struct {
		Handle int `json:"handle"`
	}
	d.call("open", map[string]any{"lesson": l}, &opened)
	d.handle = opened.Handle
	return d
}

func openBoard(t *testing.T, text string, show ...string) desk {
	b, err := board.Parse(text)
	require.NoError(t, err)
	return openLesson(t, lesson.Lesson{Format: 2, Title: "Bulbs",
		Scenes: []lesson.Scene{{ID: "a", Title: "A", Start: b, Show: show}}})
}

// try calls the door and gives the refusal's sentence, if any.
func (d desk) try(op string, arg map[string]any, into any) string {
	d.t.Helper()
	if d.handle > 0 {
		arg["handle"] = d.handle
	}
	body, err := json.Marshal(arg)
	require.NoError(d.t, err)
	var answer struct {
		OK    json.RawMessage `json:"ok"`
		Error *struct{ Code, Text string }
	}
	out := d.door.Call(op, body)
	require.NoErrorf(d.t, json.Unmarshal(out, &answer), "%s", out)
	if answer.Error != nil {
		return answer.Error.Text
	}
	if into != nil {
		require.NoErrorf(d.t, json.Unmarshal(answer.OK, into), "%s", answer.OK)
	}
	return ""
}

func (d desk) call(op string, arg map[string]any, into any) {
	d.t.Helper()
	require.Empty(d.t, d.try(op, arg, into))
}

type delta struct {
	Notation string
	Announce string
	Scratch  bool
	Edits    []lesson.Edit
	Became   []board.Became
	Models   []struct {
		Changed  [][]any
		Moved    []int
		Removed  []int
		Readouts []door.ReadOut
		Zones    []door.ZoneView
	}
}

func (d desk) apply(move string) delta {
	d.t.Helper()
	var out delta
	d.call("apply", map[string]any{"move": json.RawMessage(move)}, &out)
	return out
}

func (d desk) document() lesson.Lesson {
	var raw json.RawMessage
	d.call("document", map[string]any{}, &raw)
	l, err := lesson.Decode(raw)
	require.NoError(d.t, err)
	return l
}

func asText(t *testing.T, value any) string {
	body, err := json.Marshal(value)
	require.NoError(t, err)
	return string(body)
}

func TestEditsSentToTheServerMakeTheSameLesson(t *testing.T) {
	d := openBoard(t, "blocks 1h 4t 13o", "numeral")
	server := d.document()
	follow := func(edits []lesson.Edit) {
		t.Helper()
		for _, e := range edits {
			var read lesson.Edit
			require.NoError(t, json.Unmarshal([]byte(asText(t, e)), &read))
			var err error
			server, err = lesson.Apply(server, read)
			require.NoError(t, err)
		}
		require.Equal(t, asText(t, d.document()), asText(t, server))
	}
	turn := func(op string, arg map[string]any) {
		t.Helper()
		// Only the edits are read: a frame's pieces have a form of their own.
		var turned struct {
			Edits []lesson.Edit `json:"edits"`
		}
		d.call(op, arg, &turned)
		follow(turned.Edits)
	}
	follow(d.apply(`{"kind":"bundle","place":"ones"}`).Edits)
	follow(d.apply(`{"kind":"take","pieces":[{"ids":[1,17]}]}`).Edits)
	for _, op := range []string{"undo", "undo", "redo"} {
		turn(op, map[string]any{})
	}
	turn("addExample", map[string]any{"id": "sum", "typed": "38 + 25", "at": 0})
	turn("setScene", map[string]any{"scene": "a", "title": "Ten", "show": []string{"words"}})
	turn("edit", map[string]any{"edit": map[string]any{"kind": "orderScenes", "order": []string{"a", "sum"}}})
	turn("edit", map[string]any{"edit": map[string]any{"kind": "removeScene", "scene": "a"}})
	for range 6 {
		turn("undo", map[string]any{})
	}
	assert.Equal(t, "blocks 1h 4t 13o", board.Print(d.document().Scenes[0].Start), "undo goes all the way back")
}

func TestAChangeListHoldsOnlyWhatChanged(t *testing.T) {
	d := openBoard(t, "blocks 4t 6o")
	d.call("show", map[string]any{"scene": "a"}, nil)
	out := d.apply(`{"kind":"place","amount":"1 one"}`)
	assert.Len(t, out.Models[0].Changed, 1)
	assert.Empty(t, out.Models[0].Removed)
	out = d.apply(`{"kind":"place","amount":"3 ones"}`)
	out = d.apply(`{"kind":"bundle","place":"ones"}`)
	assert.Len(t, out.Models[0].Removed, 10)
	assert.Len(t, out.Models[0].Changed, 1)
	assert.Len(t, out.Became[0].From, 10)
}

func TestAnnouncementsKeepHeldNumbersBack(t *testing.T) {
	shown := openBoard(t, "blocks 4t 6o", "numeral")
	assert.Equal(t, "1 one placed. 47.", shown.apply(`{"kind":"place","amount":"1 one"}`).Announce)
	covered := shown.apply(`{"kind":"cover","zone":"tens"}`)
	assert.Equal(t, "Tens covered.", covered.Announce)
	assert.Equal(t, "?", covered.Models[0].Zones[0].Count)
	assert.Equal(t, "1 one placed.", shown.apply(`{"kind":"place","amount":"1 one"}`).Announce)

	held := openBoard(t, "blocks 4t 6o")
	out := held.apply(`{"kind":"place","amount":"1 one"}`)
	assert.Equal(t, "1 one placed.", out.Announce)
	for _, r := range out.Models[0].Readouts {
		assert.Empty(t, r.Text, "%s is held back and still crosses the door", r.ID)
	}
}

func TestVerbsSayWhyNot(t *testing.T) {
	d := openBoard(t, "blocks 1t 6o")
	var sel door.Selection
	d.call("selection", map[string]any{"model": 0, "ids": []int{2, 3, 4, 5, 6, 7}}, &sel)
	assert.Equal(t, "6 selected", sel.Text)
	verbs := sel.Verbs
	require.Equal(t, "Bundle into one ten", verbs[0].Label)
	assert.False(t, verbs[0].OK)
	assert.Equal(t, "6 ones here. A ten needs 4 more.", verbs[0].Why)
	possible := []string{}
	for _, v := range verbs {
		if v.OK {
			possible = append(possible, v.Label)
		}
	}
	assert.Equal(t, []string{"Take away", "Cross out", "Ring", "Copy beside", "Put away"}, possible)
}

func TestTheClassesWordsReachEveryLabel(t *testing.T) {
	b, err := board.Parse("blocks 1t 6o")
	require.NoError(t, err)
	d := openLesson(t, lesson.Lesson{
		Format: 2, Title: "Bulbs", Words: say.Vocabulary{Regroup: "exchange", Ones: "units"},
		Scenes: []lesson.Scene{{ID: "a", Start: b, Show: []string{"unitForm"}}},
	})
	out := d.apply(`{"kind":"place","amount":"4 ones"}`)
	assert.Equal(t, "4 units placed.", out.Announce)
	assert.Equal(t, "1 ten 10 units", out.Models[0].Readouts[2].Text)
	assert.Equal(t, "units", out.Models[0].Zones[1].Label)
	assert.Equal(t, "Exchange", out.Models[0].Zones[1].Verb)
	assert.Equal(t, "1 ten here. A hundred needs 9 more.",
		d.try("apply", map[string]any{"move": json.RawMessage(`{"kind":"bundle","place":"tens"}`)}, nil))
}

func TestGoingBackIsExact(t *testing.T) {
	d := openBoard(t, "blocks 0")
	d.call("addExample", map[string]any{"id": "sum", "typed": "264 + 158"}, nil)
	seen := map[int]string{}
	walk := func(step int) string {
		var raw json.RawMessage
		d.call("show", map[string]any{"scene": "sum", "step": step, "present": true}, &raw)
		var frame map[string]any
		require.NoError(t, json.Unmarshal(raw, &frame))
		for _, moving := range []string{"rev", "beats", "became", "words"} {
			delete(frame, moving)
		}
		return asText(t, frame)
	}
	for step := range 10 {
		seen[step] = walk(step)
	}
	for _, step := range []int{9, 8, 3, 7, 0, 5, 4, 9, 1} {
		assert.Equal(t, seen[step], walk(step))
	}
}

func TestTouchingAnExampleMakesAScratchCopy(t *testing.T) {
	d := openBoard(t, "blocks 0")
	d.call("addExample", map[string]any{"id": "sum", "typed": "38 + 25"}, nil)
	d.call("show", map[string]any{"scene": "sum", "step": 3, "present": true}, nil)
	before, made := asText(t, d.document()), len(d.document().Scenes[1].Steps)
	out := d.apply(`{"kind":"bundle","place":"ones"}`)
	assert.True(t, out.Scratch)
	assert.Empty(t, out.Edits)
	assert.Equal(t, before, asText(t, d.document()), "the example is unchanged")
	d.call("dropScratch", map[string]any{}, nil)
	d.apply(`{"kind":"place","amount":"1 hundred"}`)
	d.call("keepScratch", map[string]any{}, nil)
	sc := d.document().Scenes[1]
	require.Len(t, sc.Steps, made+1)
	assert.Equal(t, "163", sc.Steps[3].Total)
	outcomes := sc.Replay()
	assert.NoError(t, outcomes[3].Err)
	assert.EqualError(t, outcomes[4].Err,
		"This step was made for 63 (5 tens 13 ones). Now the pieces make 163 (1 hundred 5 tens 13 ones).")
}

// What is done by hand while a question is open about pieces that have moved already
// comes after their step, not before it.
func TestHandsOnAnOpenQuestionComeAfterItsMoves(t *testing.T) {
	d := openBoard(t, "blocks 0")
	d.call("addExample", map[string]any{"id": "n", "method": "build", "typed": "13"}, nil)
	var f shown
	for f.Prompt.Asks != say.Look {
		d.call("forward", map[string]any{}, &f)
	}
	require.True(t, f.Open)
	at := f.Step
	d.call("show", map[string]any{"scene": "n", "step": at, "phase": "asked", "present": true}, nil)
	d.apply(`{"kind":"place","amount":"1 hundred"}`)
	d.call("keepScratch", map[string]any{}, nil)
	sc, _ := d.document().Scene("n")
	assert.Equal(t, "10", sc.Steps[at].Total)
	assert.Equal(t, "110", sc.Steps[at+1].Total)
	assert.Equal(t, `phase: step 1 has no phase "later".`,
		d.try("show", map[string]any{"scene": "n", "step": 0, "phase": "later"}, nil))
}

func TestACapturedQuestionHasAKind(t *testing.T) {
	d := openBoard(t, "blocks 0")
	d.call("beginCapture", map[string]any{}, nil)
	d.apply(`{"kind":"place","amount":"3 ones"}`)
	d.call("endStep", map[string]any{"say": "Three.", "ask": "How many?", "asks": "look", "answer": "3"}, nil)
	d.apply(`{"kind":"place","amount":"4 ones"}`)
	d.call("endCapture", map[string]any{"id": "c", "title": "Mine", "ask": "Will there be more?", "asks": "predict",
		"answer": "Yes."}, nil)
	sc, _ := d.document().Scene("c")
	assert.Equal(t, []say.Kind{say.Look, say.Predict}, []say.Kind{sc.Steps[0].Asks, sc.Steps[1].Asks})
	var f shown
	d.call("show", map[string]any{"scene": "c", "step": 0, "phase": "asked"}, &f)
	assert.Equal(t, board.Hidden, f.Board.Models[0].Zones[len(f.Board.Models[0].Zones)-1].Count,
		"an answer in her own words is held back too")
	d.call("editStep", map[string]any{"scene": "c", "step": 0, "asks": "decide"}, nil)
	sc, _ = d.document().Scene("c")
	assert.Equal(t, say.Decide, sc.Steps[0].Asks)
}

func TestANewerLessonIsShownAndNotChanged(t *testing.T) {
	raw := `{"format":3,"title":"Bulbs","mood":"bright","scenes":[{"id":"a","title":"A",` +
		`"start":{"models":[{"kind":"blocks","pieces":[{"place":"ones","count":13}]}]}}]}`
	l, err := lesson.Decode([]byte(raw))
	require.NoError(t, err)
	d := openLesson(t, l)
	var outline struct{ Newer *lesson.Newer }
	d.call("outline", map[string]any{}, &outline)
	assert.Equal(t, 3, outline.Newer.Format)
	out := d.apply(`{"kind":"bundle","place":"ones"}`)
	assert.True(t, out.Scratch, "hands on it make a scratch copy")
	assert.Empty(t, out.Edits)
	assert.Contains(t, d.try("keepScratch", map[string]any{}, nil), "only read here")
	assert.Equal(t, "This lesson was made by a newer version. It is only read here.",
		d.try("clear", map[string]any{"what": []string{"pieces"}}, nil))
	var doc json.RawMessage
	d.call("document", map[string]any{}, &doc)
	assert.JSONEq(t, strings.Replace(raw, `"title"`, `"id":"","title"`, 1), string(doc))
}

func TestOwnMovesAreAddedToAStep(t *testing.T) {
	d := openBoard(t, "blocks 0")
	d.call("addExample", map[string]any{"id": "sum", "typed": "38 + 25"}, nil)
	steps := len(d.document().Scenes[1].Steps)
	d.call("show", map[string]any{"scene": "sum", "step": 3}, nil)
	had := len(d.document().Scenes[1].Steps[2].Moves)
	d.apply(`{"kind":"ring","pieces":[{"place":"ones","count":10}]}`)
	d.apply(`{"kind":"place","amount":"1 hundred"}`)
	d.call("keepScratch", map[string]any{"into": true}, nil)
	sc := d.document().Scenes[1]
	require.Len(t, sc.Steps, steps, "no step more")
	require.Len(t, sc.Steps[2].Moves, had+2)
	assert.Equal(t, "163", sc.Steps[2].Total)
	outcomes := sc.Replay()
	assert.NoError(t, outcomes[2].Err)
	assert.ErrorContains(t, outcomes[3].Err, "This step was made for 63", "a later step that no longer fits says so")
	d.call("undo", map[string]any{}, nil)
	assert.Len(t, d.document().Scenes[1].Steps[2].Moves, had)
}

func TestEditingAStep(t *testing.T) {
	d := openBoard(t, "blocks 0")
	d.call("addExample", map[string]any{"id": "sum", "typed": "38 + 25"}, nil)
	d.call("editStep", map[string]any{"scene": "sum", "step": 0, "say": "Tavi planted 38 bulbs."}, nil)
	assert.Equal(t, "Tavi planted 38 bulbs.", d.document().Scenes[1].Steps[0].Say.Own)
	d.call("editStep", map[string]any{"scene": "sum", "step": 1, "remove": true}, nil)
	var outline door.Outline
	d.call("outline", map[string]any{}, &outline)
	assert.Contains(t, outline.Scenes[1].Steps[1].Misfit, "This step was made for 63")
	d.call("undo", map[string]any{}, nil)
	var restored door.Outline
	d.call("outline", map[string]any{}, &restored)
	for _, step := range restored.Scenes[1].Steps {
		assert.Empty(t, step.Misfit)
	}
}

func TestBadCallsAreAnswered(t *testing.T) {
	d := openBoard(t, "blocks 6o")
	for _, c := range []struct{ op, arg, says string }{
		{"fly", `{}`, "There is no operation"},
		{"apply", `{"handle":99,"move":{"kind":"tidy"}}`, "handle 99 is not open"},
		{"apply", `{"handle":1,"move":{"kind":"bundle","place":"ones"}}`, "6 ones here. A ten needs 4 more."},
		{"apply", `{"handle":1,"move":{}}`, "a move needs a kind"},
		{"apply", `not json`, "invalid character"},
		{"show", `{"handle":1,"scene":"b"}`, `there is no scene \"b\"`},
		{"show", `{"handle":1,"scene":"a","step":5}`, "step: 5 is not from 0 to 0"},
		{"open", `{"lesson":{"format":3}}`, "from a newer version"},
		{"selection", `{"handle":1,"model":7,"ids":[1]}`, "there is no model 7"},
	} {
		out := string(d.door.Call(c.op, []byte(c.arg)))
		assert.Contains(t, out, `{"error":`, c.op)
		assert.Contains(t, out, c.says)
	}
	assert.Equal(t, "blocks 6o", board.Print(d.document().Scenes[0].Start))
}

func BenchmarkMove(b *testing.B) {
	for _, pieces := range []int{1000, 3000} {
		b.Run(fmt.Sprint(pieces), func(b *testing.B) {
			start, err := board.Parse(fmt.Sprintf("blocks %dt %do", pieces/2, pieces/2-10))
			require.NoError(b, err)
			raw, err := json.Marshal(lesson.Lesson{Format: 2, Title: "B", Scenes: []lesson.Scene{{ID: "a", Start: start}}})
			require.NoError(b, err)
			d := door.New()
			d.Call("open", []byte(`{"lesson":`+string(raw)+`}`))
			d.Call("show", []byte(`{"handle":1,"scene":"a"}`))
			for b.Loop() {
				out := d.Call("apply", []byte(`{"handle":1,"move":{"kind":"bundle","place":"ones"}}`))
				require.True(b, strings.HasPrefix(string(out), `{"ok"`))
				b.StopTimer()
				d.Call("undo", []byte(`{"handle":1}`))
				b.StartTimer()
			}
		})
	}
}

// A set comes after the example that it is like, each problem its own scene; the first
// explains, the last is checked, and what is harder is for the teacher alone.
func TestASetIsAddedInOneAct(t *testing.T) {
	d := openBoard(t, "blocks 0")
	d.call("addExample", map[string]any{"id": "x", "typed": "34 + 25"}, nil)
	d.call("addSet", map[string]any{"scene": "x", "id": "set", "seed": 3, "count": 5}, nil)
	l := d.document()
	require.Len(t, l.Scenes, 2+5)
	harder, explained, seen := 0, 0, map[string]bool{}
	for k, sc := range l.Scenes[2:] {
		assert.Equal(t, fmt.Sprintf("set-%d", k+1), sc.ID)
		assert.False(t, seen[sc.Made.Problem])
		seen[sc.Made.Problem] = true
		if sc.Steps[0].Look.Message.ID == "harder.than" {
			harder++
		}
		for _, s := range sc.Steps {
			if s.Asks == say.Explain {
				explained++
				assert.Zero(t, k, "only the first explains")
			}
		}
		for _, o := range sc.Replay() {
			require.NoError(t, o.Err)
		}
	}
	assert.Positive(t, harder)
	assert.Equal(t, 1, explained)
	d.call("undo", map[string]any{}, nil)
	assert.Len(t, d.document().Scenes, 2, "it is one act")
	assert.Equal(t, "The count must be from 2 to 20. 1 is not.",
		d.try("addSet", map[string]any{"scene": "x", "id": "set", "seed": 3, "count": 1}, nil))
	assert.NotEmpty(t, d.try("addSet", map[string]any{"scene": "a", "id": "set", "seed": 3, "count": 5}, nil))
}

// mirror is the pictures of a host that begins with a frame and follows the change lists: the
// pieces of each model by id.
type mirror []map[float64][]any

func (d desk) mirror() mirror {
	d.t.Helper()
	var f struct {
		Board struct{ Models []struct{ Pieces [][]any } }
	}
	d.call("show", map[string]any{"scene": "a"}, &f)
	m := make(mirror, len(f.Board.Models))
	for i, model := range f.Board.Models {
		m[i] = map[float64][]any{}
		for _, p := range model.Pieces {
			m[i][p[0].(float64)] = p
		}
	}
	return m
}

func (m mirror) follow(out delta) {
	for i, model := range out.Models {
		for _, id := range model.Removed {
			delete(m[i], float64(id))
		}
		for k := 0; k < len(model.Moved); k += 3 + model.Moved[k+2] {
			for _, id := range model.Moved[k+3:][:model.Moved[k+2]] {
				p := m[i][float64(id)]
				p[2], p[3] = p[2].(float64)+float64(model.Moved[k]), p[3].(float64)+float64(model.Moved[k+1])
			}
		}
		for _, p := range model.Changed {
			m[i][p[0].(float64)] = p
		}
	}
}

func TestAHostThatFollowsTheChangesHasThePicture(t *testing.T) {
	for _, spec := range shipped {
		for _, mv := range spec.Moves {
			t.Run(spec.Kind+" "+mv.Kind, func(t *testing.T) {
				d := openBoard(t, mv.Board)
				host := d.mirror()
				for _, move := range append(slices.Clip(mv.Before), board.Move{Kind: mv.Kind, Args: mv.Example}) {
					host.follow(d.apply(asText(t, move)))
				}
				assert.Equal(t, d.mirror(), host)
			})
		}
	}
}

// Single pieces are written by the parts that they are seen in, others by their places.
func TestASentenceIsOfferedOfWhatIsSeen(t *testing.T) {
	for notation, line := range map[string]string{
		"rack 2: 8 6": "8 + 6 = 14", "rack 2: 8 0": "8 ones = 8", "counters 2x5: 6 + 3": "6 + 3 = 9",
		"cubes 3a5b":    "3 + 5 = 8",
		"blocks 3t 14o": "3 tens 14 ones = 44", "blocks 4t": "4 tens = 40", "discs 12o": "12 ones = 12",
	} {
		var f struct{ Offers []string }
		openBoard(t, notation).call("show", map[string]any{"scene": "a"}, &f)
		assert.Equal(t, []string{line}, f.Offers, notation)
	}
}

// The sentence of a board is not judged before it is offered: it is true, and written as a judged
// one would be.
func TestTheSentenceOfABoardIsTrue(t *testing.T) {
	offered := 0
	for _, spec := range shipped {
		for _, mv := range spec.Moves {
			var f struct{ Offers []string }
			openBoard(t, mv.Board).call("show", map[string]any{"scene": "a"}, &f)
			for _, line := range f.Offers {
				v, err := sentence.Judge(line)
				require.NoError(t, err, mv.Board)
				assert.Equal(t, "true", v.State, line)
				assert.Equal(t, line, v.Text)
				offered++
			}
		}
	}
	assert.Greater(t, offered, 40)
}
