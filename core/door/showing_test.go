package door_test

import (
	"encoding/json"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

// shownFrom begins a showing of the lesson and gives a host that is at it.
func (d desk) shownFrom(id string, was *lesson.Lesson) desk {
	var opened struct {
		Handle  int
		Outline struct{ ID string }
	}
	arg := map[string]any{"id": id}
	if was != nil {
		arg["lesson"] = *was
	}
	d.call("beginShowing", arg, &opened)
	assert.Equal(d.t, id, opened.Outline.ID)
	return desk{t: d.t, door: d.door, handle: opened.Handle}
}

type frame struct {
	Scene   string
	Step    int
	Secrets int
	Board   struct {
		Notation string
		Models   []struct {
			Zones    []struct{ ID, Count string }
			Counts   map[string]string
			Covers   []struct{ Zone string }
			ReadOuts []struct {
				ID, Text string
				Beside   bool
			}
		}
	}
}

type changed struct {
	Frame frame
	Edits []lesson.Edit
}

// Before a class stands what was put beside a model, and nothing of the teacher's margin.
func TestAClassReadsNothingOfTheMargin(t *testing.T) {
	d := openBoard(t, "blocks 1t 13o", "numeral", "unitForm")
	d.apply(`{"kind":"beside","readouts":["unitForm"]}`)
	told := func(d desk) map[string]string {
		var f frame
		d.call("show", map[string]any{"scene": "a", "present": true}, &f)
		out := map[string]string{}
		for _, r := range f.Board.Models[0].ReadOuts {
			if r.Text != "" {
				out[r.ID] = r.Text
			}
		}
		return out
	}
	assert.Equal(t, map[string]string{"numeral": "23", "unitForm": "1 ten 13 ones"}, told(d))
	assert.Equal(t, map[string]string{"unitForm": "1 ten 13 ones"}, told(d.shownFrom("monday", nil)))
}

func TestAShowingLeavesTheLessonAsItWasPrepared(t *testing.T) {
	d := openBoard(t, "blocks 1t 3o")
	prepared := asText(t, d.document())
	s := d.shownFrom("monday-1", nil)
	first := s.apply(`{"kind":"build","amount":"28"}`)
	assert.False(t, first.Scratch, "on a free board the act is the showing's, not a copy's")
	require.Len(t, first.Edits, 1)
	s.apply(`{"kind":"unbundle","place":"tens"}`)
	assert.Equal(t, prepared, asText(t, d.document()), "the lesson is as it was")
	assert.Equal(t, "monday-1", s.document().ID)

	// A showing can be gone on with, and another class begins as it was prepared.
	kept := s.document()
	again := d.shownFrom("monday-1", &kept)
	var f frame
	again.call("show", map[string]any{"scene": "a", "present": true}, &f)
	assert.Equal(t, "blocks 1t 18o", f.Board.Notation)
	d.shownFrom("tuesday-1", nil).call("show", map[string]any{"scene": "a", "present": true}, &f)
	assert.Equal(t, "blocks 1t 3o", f.Board.Notation)

	var u changed
	s.call("startAgain", map[string]any{"other": d.handle, "scene": "a"}, &u)
	assert.Equal(t, "blocks 1t 3o", u.Frame.Board.Notation)
	s.call("undo", map[string]any{}, &u)
	assert.Equal(t, "blocks 1t 18o", u.Frame.Board.Notation, "starting again can be undone")
}

func TestWhatWasShownIsKeptInTheLessonWhenItIsWanted(t *testing.T) {
	d := openBoard(t, "blocks 1t 3o")
	s := d.shownFrom("monday-1", nil)
	s.apply(`{"kind":"build","amount":"28"}`)
	s.call("edit", map[string]any{"edit": map[string]any{"kind": "record",
		"record": []any{map[string]any{"text": "28 = 20 + 8", "scene": "a"}}}}, nil)
	s.call("addBoard", map[string]any{"id": "new", "title": "Later", "kinds": []string{"rack"}}, nil)
	server := d.document()

	var u changed
	d.call("keepInLesson", map[string]any{"other": s.handle, "scene": "a"}, &u)
	assert.Equal(t, "blocks 2t 8o", u.Frame.Board.Notation)
	for _, e := range u.Edits {
		var err error
		server, err = lesson.Apply(server, e)
		require.NoError(t, err)
	}
	assert.Equal(t, asText(t, d.document()), asText(t, server), "the edits lead the server there too")
	assert.Empty(t, d.document().Record, "the record is kept apart")
	for range 2 {
		d.call("keepRecord", map[string]any{"other": s.handle}, nil)
	}
	assert.Equal(t, []lesson.Entry{{Text: "28 = 20 + 8", Scene: "a"}}, d.document().Record, "each line once")

	assert.Equal(t, "This board came while the lesson was shown. It was not prepared.",
		s.try("startAgain", map[string]any{"other": d.handle, "scene": "new"}, nil))
	d.call("keepInLesson", map[string]any{"other": s.handle, "scene": "new"}, nil)
	assert.Len(t, d.document().Scenes, 2)
	assert.Contains(t, d.try("keepInLesson", map[string]any{"other": 99, "scene": "a"}, nil), "handle 99 is not open")
}

// counted are the counts over the columns, by zone.
func counted(f frame) map[string]string {
	out := map[string]string{}
	for _, z := range f.Board.Models[0].Zones {
		out[z.ID] = z.Count
	}
	return out
}

func TestRevealShowsOneAfterAnotherWhatIsHeldBack(t *testing.T) {
	d := openBoard(t, "blocks 3t 6o", "numeral")
	d.apply(`{"kind":"holdBack","counts":"reveal","readouts":["numeral"]}`)
	d.apply(`{"kind":"cover","zone":"ones"}`)
	var f frame
	d.call("show", map[string]any{"scene": "a"}, &f)
	assert.Equal(t, "3", counted(f)["tens"], "preparing, she sees what she prepares")
	assert.Zero(t, f.Secrets)

	s := d.shownFrom("monday-1", nil)
	s.call("show", map[string]any{"scene": "a", "present": true}, &f)
	assert.Equal(t, 3, f.Secrets)
	assert.Equal(t, board.Hidden, counted(f)["tens"])
	told := func(f frame) string {
		for _, r := range f.Board.Models[0].ReadOuts {
			if r.ID == "numeral" {
				assert.True(t, r.Beside, "it has its place from the beginning")
				return r.Text
			}
		}
		return ""
	}
	assert.Equal(t, board.Hidden, told(f))
	var sel struct{ Text string }
	s.call("selection", map[string]any{"model": 0, "ids": []int{1, 2}}, &sel)
	assert.Empty(t, sel.Text, "how many are selected would tell the count")

	var u changed
	s.call("reveal", map[string]any{}, &u)
	assert.Empty(t, u.Frame.Board.Models[0].Covers, "first the cover comes off")
	assert.Equal(t, board.Hidden, counted(u.Frame)["ones"])
	assert.NotEmpty(t, u.Edits, "that is an act")
	s.call("reveal", map[string]any{}, &u)
	assert.Equal(t, "6", counted(u.Frame)["ones"])
	assert.Equal(t, board.Hidden, told(u.Frame))
	assert.Empty(t, u.Edits, "what was revealed is not written into the lesson")
	s.call("reveal", map[string]any{}, &u)
	assert.Equal(t, "36", told(u.Frame))
	assert.Zero(t, u.Frame.Secrets)
	assert.Equal(t, "Nothing is held back here.", s.try("reveal", map[string]any{}, nil))

	assert.NotContains(t, s.apply(`{"kind":"build","amount":"58"}`).Announce, "58", "another number is another question")
	s.call("show", map[string]any{"scene": "a", "present": true}, &f)
	assert.Equal(t, 2, f.Secrets)
	assert.Equal(t, board.Hidden, counted(f)["ones"])

	s.apply(`{"kind":"holdBack","counts":"never","readouts":[]}`)
	s.call("show", map[string]any{"scene": "a", "present": true}, &f)
	assert.Empty(t, counted(f)["ones"])
	assert.Contains(t, s.try("apply", map[string]any{"move": map[string]any{"kind": "holdBack", "counts": "later",
		"readouts": []string{}}}, nil),
		`"later" is not reveal or never`)
	assert.Contains(t, s.try("apply",
		map[string]any{"move": map[string]any{"kind": "holdBack", "readouts": []string{"smell"}}},
		nil), "smell is not a read-out of this model")
}

func TestOtherNumbersKeepTheMethodAndItsPlace(t *testing.T) {
	d := openLesson(t, lesson.Lesson{Format: 2, Title: "Bulbs", Scenes: []lesson.Scene{}})
	d.call("addExample", map[string]any{"id": "sum", "method": "column-add", "args": []string{"146", "87"},
		"model": "discs", "options": map[string]string{"ask": "never"}}, nil)
	d.call("addBoard", map[string]any{"id": "after", "title": "After", "kinds": []string{"rack"}}, nil)
	d.call("show", map[string]any{"scene": "sum", "step": 3}, nil)
	var u changed
	d.call("otherNumbers", map[string]any{"scene": "sum", "typed": "97 + 5"}, &u)
	doc := d.document()
	require.Len(t, doc.Scenes, 2)
	made := doc.Scenes[0].Made
	assert.Equal(t, "sum", doc.Scenes[0].ID)
	assert.Equal(t, "97 + 5", made.Problem)
	assert.Equal(t, "discs", made.Model)
	assert.Equal(t, "never", made.Options["ask"])
	assert.Equal(t, 0, u.Frame.Step, "the class begins with it")
	for seed := range 20 {
		before := d.document().Scenes[0].Made.Problem
		d.call("otherNumbers", map[string]any{"scene": "sum", "seed": seed}, nil)
		made = d.document().Scenes[0].Made
		assert.NotEqual(t, before, made.Problem)
		assert.Equal(t, "column-add", made.Method)
	}
	assert.NotEmpty(t, d.try("otherNumbers", map[string]any{"scene": "sum", "typed": "97 +"}, nil))
	assert.Equal(t, "This scene was not made from a problem. There is no other like it.",
		d.try("otherNumbers", map[string]any{"scene": "after", "seed": 1}, nil))
	d.call("undo", map[string]any{}, nil)
	assert.Equal(t, "sum", d.document().Scenes[0].ID)
}

func TestTheRecordIsOfferedTrueLinesOnly(t *testing.T) {
	type offered struct{ Offers []string }
	for _, c := range []struct {
		method string
		args   []string
		line   []string
	}{
		{"column-add", []string{"146", "87"}, []string{"146 + 87 = 233"}},
		{"share", []string{"97", "4"}, []string{"97 ÷ 4 = 24 remainder 1"}},
		{"shift", []string{"34", "÷", "100"}, []string{"34 ÷ 100 = 0.34"}},
		{"column-subtract", []string{"402", "167"}, []string{"402 − 167 = 235"}},
		{"build", []string{"146"}, []string{}},
	} {
		d := openLesson(t, lesson.Lesson{Format: 2, Title: "Bulbs", Scenes: []lesson.Scene{}})
		d.call("addExample", map[string]any{"id": "a", "method": c.method, "args": c.args}, nil)
		steps := len(d.document().Scenes[0].Steps)
		var f offered
		d.call("show", map[string]any{"scene": "a", "step": steps - 1}, &f)
		assert.Empty(t, f.Offers, "not before it is done")
		d.call("show", map[string]any{"scene": "a", "step": steps}, &f)
		assert.Equal(t, c.line, f.Offers, c.method)
		for _, line := range f.Offers {
			d.call("edit", map[string]any{"edit": map[string]any{"kind": "record",
				"record": []any{map[string]any{"text": line, "scene": "a"}}}}, nil)
		}
		d.call("show", map[string]any{"scene": "a", "step": steps}, &f)
		assert.Empty(t, f.Offers, "what is there is not offered")
	}

	d := openBoard(t, "blocks 3t 14o")
	var f offered
	d.call("show", map[string]any{"scene": "a"}, &f)
	assert.Equal(t, []string{"3 tens 14 ones = 44"}, f.Offers)
	d.apply(`{"kind":"cover","zone":"ones"}`)
	d.call("show", map[string]any{"scene": "a"}, &f)
	assert.Empty(t, f.Offers, "what is covered is not told")
	d.apply(`{"kind":"uncover"}`)
	d.apply(`{"kind":"holdBack","counts":"reveal","readouts":[]}`)
	d.call("show", map[string]any{"scene": "a", "present": true}, &f)
	assert.Empty(t, f.Offers, "nor what is held back")
}

func TestStayedFollowsTheClasssNumbers(t *testing.T) {
	l := lesson.Lesson{Format: 2, Title: "Bulbs", Scenes: []lesson.Scene{},
		Words: say.Vocabulary{Numbers: "4 002,5", Ones: "units"}}
	d := openLesson(t, l)
	var out struct {
		Lines [][]struct{ Text, Mark string }
		Said  string
	}
	d.call("stayed", map[string]any{"lines": []string{"3,6 + 1 = 4,6", "4,6 + 1 = 5,6"}}, &out)
	assert.Equal(t, "The tenths stayed. The units went up by 1.", out.Said)
	last := out.Lines[0][len(out.Lines[0])-3:]
	assert.Equal(t, []struct{ Text, Mark string }{{"4", "changed"}, {",", ""}, {"6", "stayed"}}, last)
	assert.Equal(t, "Choose two lines or more.", d.try("stayed", map[string]any{"lines": []string{"3 = 3"}}, nil))
}

func TestASmallPictureOfAnotherBoardLeavesTheClassWhereItIs(t *testing.T) {
	d := openLesson(t, lesson.Lesson{Format: 2, Title: "Bulbs", Scenes: []lesson.Scene{}})
	d.call("addBoard", map[string]any{"id": "b", "title": "B", "kinds": []string{"blocks"}}, nil)
	d.apply(`{"kind":"build","amount":"25"}`)
	d.apply(`{"kind":"cover","zone":"ones"}`)
	d.call("addExample", map[string]any{"id": "a", "method": "column-add", "args": []string{"146", "87"}}, nil)
	d.call("show", map[string]any{"scene": "a", "step": 2}, nil)
	var there struct {
		Models []struct {
			Pieces []json.RawMessage
		}
	}
	d.call("boardOf", map[string]any{"scene": "b"}, &there)
	assert.Len(t, there.Models[0].Pieces, 2, "what is covered is not in it")
	var f frame
	d.call("forward", map[string]any{}, &f)
	assert.Equal(t, "a", f.Scene)
	assert.Contains(t, d.try("boardOf", map[string]any{"scene": "moon"}, nil), `there is no scene "moon"`)
}
