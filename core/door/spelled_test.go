package door_test

import (
	"encoding/json"
	"regexp"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/door"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

// commas is a desk whose class groups by spaces and writes a decimal comma.
func commas(t *testing.T, text string) desk {
	b, err := board.Parse(text)
	require.NoError(t, err)
	return openLesson(t, lesson.Lesson{Format: 2, Title: "Bulbs",
		Words: say.Vocabulary{Numbers: "4 002,5", And: "one hundred six"},
		Scenes: []lesson.Scene{{ID: "a", Title: "2.5 or 2026", Start: b,
			Show: []string{"numeral", "expanded", "words", "unitForm"}}}})
}

// pieceArrays are the pieces of a model, which only the web reads.
var pieceArrays = regexp.MustCompile(`"(pieces|fives)":\[(\[[^\]]*\],?)*\]`)

func (d desk) frame(scene string, step int) door.Frame { return d.shown(scene, step, true) }

// shown is a frame as the class has it, or the teacher who prepares.
func (d desk) shown(scene string, step int, present bool) door.Frame {
	var f door.Frame
	var raw json.RawMessage
	d.call("show", map[string]any{"scene": scene, "step": step, "present": present}, &raw)
	raw = pieceArrays.ReplaceAll(raw, []byte(`"$1":[]`))
	require.NoError(d.t, json.Unmarshal(raw, &f))
	return f
}

func TestAClassWithADecimalCommaTypesAndReadsIt(t *testing.T) {
	d := commas(t, "discs 0")
	out := d.apply(`{"kind":"build","amount":"4 106,05"}`)
	said := map[string]string{}
	for _, r := range out.Models[0].Readouts {
		said[r.ID] = r.Text
	}
	assert.Equal(t, "4\u00a0106,05", said["numeral"])
	assert.Equal(t, "4\u00a0000 + 100 + 6 + 0,05", said["expanded"])
	assert.Equal(t, "four thousand one hundred six comma zero five", said["words"])
	var drawn json.RawMessage
	d.call("show", map[string]any{"scene": "a", "step": 0}, &drawn)
	assert.Contains(t, string(drawn), `"0,01"`, "so it stands on the discs too")
	assert.NotContains(t, string(drawn), `"0.01"`)
	d.apply(`{"kind":"digits","number":"3,50"}`)
	assert.Equal(t, "3,50", d.frame("a", 0).Board.Models[0].Settings["digits"])
	assert.Contains(t, d.try("apply", map[string]any{"move": json.RawMessage(`{"kind":"build","amount":"3,5,1"}`)}, nil),
		"3,05")
}

func TestSentencesAreJudgedAsTheClassWritesThem(t *testing.T) {
	d := commas(t, "discs 2o 5.t")
	var v struct{ Text, State, Solved, Model, Said string }
	d.call("judge", map[string]any{"text": "1 000 + 2,5 = 1 002,5"}, &v)
	assert.Equal(t, "true", v.State)
	assert.Equal(t, "1\u00a0000 + 2,5 = 1\u00a0002,5", v.Text)
	d.call("judge", map[string]any{"text": v.Text}, &v)
	assert.Equal(t, "true", v.State, "what was written is read again")
	d.call("judge", map[string]any{"text": "2 + ? = 2,5"}, &v)
	assert.Equal(t, "0,5 makes it true.", v.Said)
}

// Every text of every step of examples in columns is as the class writes it, the teacher's
// own title stays as she wrote it.
func TestExamplesAreSpelledWherePeopleReadThem(t *testing.T) {
	ungrouped := regexp.MustCompile(`\d\.\d|\d{4}`)
	d := commas(t, "discs 0")
	for id, typed := range map[string]string{"sum": "1 567 + 2,75", "less": "4 002 − 1 567", "shift": "120 ÷ 100",
		"times":  "1 260 × 4",
		"shared": "9 700 ÷ 4", "unknown": "? + 7 = 15"} {
		var plain struct{ Problem string }
		d.call("preview", map[string]any{"typed": typed}, &plain)
		assert.NotRegexp(t, ungrouped, plain.Problem)
		d.call("addExample", map[string]any{"id": id, "typed": typed}, nil)
		sc, _ := d.document().Scene(id)
		for step := range len(sc.Steps) + 1 {
			f := d.frame(id, step)
			texts := []string{f.Prompt.Say, f.Prompt.Ask, f.Prompt.Answer, f.Prompt.Look}
			for _, l := range f.Lines {
				texts = append(append(append(texts, l.Text, l.Whole), l.Cells...), l.Parts...)
			}
			for _, m := range f.Board.Models {
				texts = append(texts, m.Title)
				for _, z := range m.Zones {
					texts = append(texts, z.Count, z.Size)
				}
				for _, r := range m.ReadOuts {
					texts = append(texts, r.Text)
				}
			}
			for _, text := range texts {
				assert.NotRegexp(t, ungrouped, text, "%s, step %d", id, step)
			}
			if f.Written != nil {
				assert.Equal(t, ",", f.Written.Point)
			}
		}
	}
	var product struct{ Written door.Written }
	d.call("addExample", map[string]any{"id": "product", "typed": "12.6 × 4"}, nil)
	d.call("show", map[string]any{"scene": "product", "step": 0}, &product)
	assert.Equal(t, []string{"addend 1", "sum"}, product.Written.Pointed, "4 is no 4,")
	var o door.Outline
	d.call("outline", map[string]any{}, &o)
	assert.Equal(t, "2.5 or 2026", o.Scenes[0].Title)
	for _, sc := range o.Scenes[1:] {
		assert.NotRegexp(t, ungrouped, sc.Title)
	}
}

// A list of problems is read as the class of the lesson writes them, and the lesson has
// the words of that class.
func TestAListIsReadAsTheClassWritesIt(t *testing.T) {
	words := say.Vocabulary{Numbers: "4002,5", Regroup: "carry", Shapes: "bit, stick, tile, box"}
	var out struct {
		Lesson lesson.Lesson
		Faults []door.LineFault
	}
	desk{t: t, door: door.New()}.call("wish", map[string]any{"text": "2,5 + 1,75\ncolumn-add,146,87",
		"words": words}, &out)
	require.Empty(t, out.Faults)
	assert.Equal(t, words, out.Lesson.Words)
	assert.Equal(t, "2.5 + 1.75", out.Lesson.Scenes[0].Made.Problem)
	assert.Equal(t, "146 + 87", out.Lesson.Scenes[1].Made.Problem)
	assert.Equal(t, "carry", out.Lesson.Scenes[0].Made.Options["regroup"])
}
