package door_test

import (
	"encoding/json"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/door"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/task"
)

// picture is a board as the browser gets it: each piece a list.
type picture struct{ Models []struct{ Pieces []any } }

type panels struct {
	Panels []struct {
		Step   int
		Phase  lesson.Phase
		Prompt door.StepLine
		Board  picture
	}
}

type sheet struct {
	Tasks []struct {
		task.Face
		Views   []picture
		Answers []string
	}
	Without []string
	Faults  []door.LineFault
}

// A scene on paper is what its steps show, one after another; with phases it is what forward
// shows, press by press, and no answer stands in a panel whose question is open.
func TestPanelsAreWhatTheClassSees(t *testing.T) {
	d := openBoard(t, "blocks 1h 4t 6o")
	var free panels
	d.call("panels", map[string]any{"scene": "a"}, &free)
	require.Len(t, free.Panels, 1)
	assert.Len(t, free.Panels[0].Board.Models[0].Pieces, 11)
	for _, spec := range method.Specs() {
		d.call("addExample", map[string]any{"id": spec.ID, "method": spec.ID, "typed": spec.Typed}, nil)
		sc, _ := d.document().Scene(spec.ID)
		var steps, presses panels
		d.call("panels", map[string]any{"scene": spec.ID}, &steps)
		d.call("panels", map[string]any{"scene": spec.ID, "phases": true}, &presses)
		assert.Len(t, steps.Panels, len(sc.Steps), spec.ID)
		var f shown
		d.call("show", map[string]any{"scene": spec.ID, "step": 0, "present": true}, &f)
		for i, p := range presses.Panels {
			assert.Equal(t, f.Step, p.Step, "%s %d", spec.ID, i)
			assert.Equal(t, f.Phase, p.Phase, "%s %d", spec.ID, i)
			assert.Equal(t, f.Prompt.Say, p.Prompt.Say, "%s %d", spec.ID, i)
			if p.Phase.Open() {
				assert.Empty(t, p.Prompt.Answer)
			}
			if i < len(presses.Panels)-1 {
				d.call("forward", map[string]any{}, &f)
			}
		}
		assert.Equal(t, len(sc.Steps), presses.Panels[len(presses.Panels)-1].Step, spec.ID)
	}
	assert.Equal(t, `scene: there is no scene "x" in this lesson.`, d.try("panels", map[string]any{"scene": "x"}, nil))
}

func TestASheetIsMadeOfScenesAndLines(t *testing.T) {
	d := openBoard(t, "blocks 4t 6o")
	d.call("addExample", map[string]any{"id": "sum", "method": "column-add", "typed": "146 + 87"}, nil)
	ask := map[string]any{"scenes": []string{"a", "sum"},
		"kinds": []string{"read", "build", "match", "fill", "column", "turns"},
		"forms": []string{"number", "words"}, "draw": true, "more": 2, "seed": 3, "turns": "4 2 six"}
	var made sheet
	d.call("sheet", ask, &made)
	kinds := map[string]int{}
	for _, one := range made.Tasks {
		kinds[one.Kind]++
		assert.NotEmpty(t, one.Answers, one.Kind)
		assert.Len(t, one.Views, len(one.Boards))
		for _, v := range one.Views {
			assert.NotEmpty(t, v.Models[0].Pieces)
		}
	}
	assert.Equal(t, map[string]int{"read": 3, "build": 3, "match": 1, "fill": 1, "column": 3, "turns": 1}, kinds)
	assert.Equal(t, []string{"46", "forty-six"}, made.Tasks[0].Answers)
	assert.Contains(t, made.Tasks[3].Ask, "quickly")
	for _, later := range made.Tasks[3:] {
		for _, line := range later.Answers {
			assert.NotContains(t, strings.FieldsFunc(line, func(r rune) bool { return r < '0' || r > '9' }), "46",
				"no task gives another's answer away")
		}
	}

	// The answers stand nowhere else.
	for _, one := range made.Tasks {
		if one.Kind != "column" {
			continue
		}
		raw, err := json.Marshal(one.Face)
		require.NoError(t, err)
		_, answer, _ := strings.Cut(one.Answers[0], " = ")
		assert.NotContains(t, string(raw), answer)
	}

	// A kind that nothing was found for is told, and lines that say nothing.
	d.call("sheet", map[string]any{"scenes": []string{"a"}, "kinds": []string{"column"}, "text": "58 + 67\nhello"}, &made)
	assert.Len(t, made.Tasks, 1)
	require.Len(t, made.Faults, 1)
	assert.Equal(t, 2, made.Faults[0].Line)
	d.call("sheet", map[string]any{"scenes": []string{"a"}, "kinds": []string{"column"}}, &made)
	assert.Equal(t, []string{"column"}, made.Without)
	assert.Contains(t, d.try("sheet", map[string]any{"scenes": []string{}, "kinds": []string{"dance"}}, nil),
		"no task called dance")
	assert.Contains(t, d.try("sheet", map[string]any{"scenes": []string{}, "kinds": []string{}, "more": 99}, nil),
		"0 to 9 more")
}

// A method is known by a board of its own, and an example by how its boards go, before it is
// added; nothing is added by looking.
func TestExamplesAreSeenBeforeTheyAreAdded(t *testing.T) {
	d := openBoard(t, "blocks 0")
	known := map[string]bool{}
	for _, operation := range []string{"number", "add", "subtract", "multiply", "divide"} {
		var all struct {
			Samples []struct {
				Method string
				Face   picture
			}
		}
		d.call("samples", map[string]any{"operation": operation}, &all)
		for _, one := range all.Samples {
			spec, err := method.Find(one.Method)
			require.NoError(t, err)
			assert.Equal(t, operation, spec.Operation)
			known[one.Method] = true
			require.NotEmpty(t, one.Face.Models, one.Method)
			assert.NotEmpty(t, one.Face.Models[0].Pieces, one.Method)
		}
	}
	assert.Len(t, known, len(method.Specs()))
	assert.Contains(t, d.try("samples", map[string]any{"operation": "guess"}, nil), `no method for the operation "guess"`)
	var seen struct {
		Boards  []picture
		Matters []string
	}
	d.call("pictures", map[string]any{"typed": "146 + 87"}, &seen)
	assert.Contains(t, seen.Matters, "marks")
	require.Len(t, seen.Boards, 4)
	counts := make([]int, 0, 4)
	for _, b := range seen.Boards {
		counts = append(counts, len(b.Models[0].Pieces))
	}
	assert.Equal(t, 11, counts[0], "it begins with 146")
	assert.Greater(t, counts[1], counts[0])
	assert.Len(t, d.document().Scenes, 1)
	assert.NotEmpty(t, d.try("pictures", map[string]any{"typed": "hello"}, nil))
}
