package door_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

func TestALessonOpensWithItsObjectiveAndItsWords(t *testing.T) {
	l := lesson.Lesson{Format: 2, Title: "Bulbs", Scenes: []lesson.Scene{}, Words: say.Vocabulary{Regroup: "exchange"}}
	d := openLesson(t, l)
	d.call("addBoard", map[string]any{"id": "board", "title": "Board", "kinds": []string{"blocks"}}, nil)
	var list struct {
		Words []struct{ ID, Age, Name, Meaning string }
	}
	d.call("words", map[string]any{}, &list)
	require.Len(t, list.Words, 30)
	var u struct {
		Outline struct {
			Scenes []struct{ ID, Title, Page string }
		}
		Frame struct {
			Scene  string
			Offers []string
		}
	}
	d.call("addPages", map[string]any{"id": "open", "at": 0, "pages": []any{
		map[string]any{"page": "objective"},
		map[string]any{"page": "word", "card": "bundle"},
		map[string]any{"page": "word", "name": "tray", "meaning": "A tray holds a hundred bulbs.", "kind": "blocks",
			"amount": "100"},
		map[string]any{"page": "blank"},
	}}, &u)
	var titles []string
	for _, sc := range u.Outline.Scenes {
		titles = append(titles, sc.Page+": "+sc.Title)
	}
	assert.Equal(t, []string{"objective: What we look at today", "word: Exchange", "word: tray", "blank: Paper",
		": Board"},
		titles)
	assert.Equal(t, "open-1", u.Frame.Scene, "the class begins with the first")
	assert.Empty(t, u.Frame.Offers, "the board of an objective is not there for the class")

	// A card is met, told what it means, and said together; then comes the next.
	var f struct {
		Scene  string
		Step   int
		Prompt struct{ Say, Look string }
	}
	var said []string
	d.call("show", map[string]any{"scene": "open-2", "present": true}, nil)
	for range 3 {
		d.call("forward", map[string]any{}, &f)
		said = append(said, f.Scene+" "+f.Prompt.Look)
	}
	assert.Equal(t, []string{"open-2 ", "open-2 Say it with me.", "open-3 "}, said)
	d.call("undo", map[string]any{}, nil)
	assert.Len(t, d.document().Scenes, 1, "all of them are one act")
	assert.Contains(t, d.try("addPages",
		map[string]any{"id": "x", "pages": []any{map[string]any{"page": "word", "name": "tray",
			"meaning": " ", "kind": "blocks"}}}, nil), "A word card has a word and what it means.")
	assert.Contains(t, d.try("addPages", map[string]any{"id": "x", "pages": []any{map[string]any{"page": "moon"}}}, nil),
		"page")
}
