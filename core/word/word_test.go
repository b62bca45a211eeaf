package word_test

import (
	"encoding/json"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/say"
	"unitbloom/core/word"
)

// classes are vocabularies that differ in every word of a card.
var classes = []say.Vocabulary{
	{},
	{Regroup: "exchange", Ones: "units", Bond: "part-whole model", Numbers: "4002,5"},
	{Regroup: "carry"},
}

func TestThirtyCardsShowWhatTheyMean(t *testing.T) {
	require.Len(t, word.Cards(), 30)
	longest := map[string]int{"5-6": 10, "7-8": 13, "9-11": 16}
	seen := map[string]bool{}
	for _, c := range word.Cards() {
		require.False(t, seen[c.ID], c.ID)
		seen[c.ID] = true
		require.True(t, slices.Contains(method.Ages, c.Age), c.ID)
		sc, err := c.Scene("w")
		require.NoErrorf(t, err, c.ID)
		assert.Positive(t, sc.Start.Pieces(), "%s: there is something to see", c.ID)
		l := lesson.Lesson{Format: lesson.Format, Minor: lesson.Minor, Title: "Words", Scenes: []lesson.Scene{sc}}
		raw, err := json.Marshal(l)
		require.NoError(t, err)
		again, err := lesson.Decode(raw)
		require.NoError(t, err)
		assert.Empty(t, again.Faults(), c.ID)
		for _, class := range classes {
			name, meaning := c.Name().Text(class), c.Meaning().Text(class)
			assert.NotContains(t, name+meaning, "{", c.ID)
			assert.True(t, strings.HasSuffix(meaning, "."), c.ID)
			for _, sentence := range strings.Split(strings.TrimSuffix(meaning, "."), ". ") {
				assert.LessOrEqual(t, len(strings.Fields(sentence)), longest[c.Age], "%s: %s", c.ID, meaning)
			}
			assert.Equal(t, name, word.Title(sc, class), "its title follows the class's words")
		}
	}
	for id, total := range map[string]string{"times": "12", "divide": "12", "remainder": "14", "multiple": "20",
		"tenth": "2",
		"sum":   "37", "point": "3.05"} {
		c, err := word.Find(id)
		require.NoError(t, err)
		sc, err := c.Scene("w")
		require.NoError(t, err)
		assert.Equal(t, total, board.Total(sc.Start.Models[0]).String(), id)
	}
	c, err := word.Find("unbundle")
	require.NoError(t, err)
	assert.Equal(t, "Exchange", c.Name().Text(classes[1]))
	assert.Equal(t, "Borrow", c.Name().Text(classes[2]))
	c, err = word.Find("point")
	require.NoError(t, err)
	assert.Equal(t, "Decimal comma", c.Name().Text(classes[1]))
	_, err = word.Find("moon")
	assert.EqualError(t, err, `word: there is no word card "moon"`)
}

func TestATeachersOwnCard(t *testing.T) {
	sc, err := word.Own("w", " tray ", "A tray holds a hundred bulbs.", "blocks", "100")
	require.NoError(t, err)
	assert.Equal(t, "tray", sc.Title)
	assert.Equal(t, "A tray holds a hundred bulbs.", sc.Steps[0].Say.Own)
	assert.Equal(t, "100", board.Total(sc.Start.Models[0]).String())
	assert.Empty(t, word.Title(sc, say.Vocabulary{}), "her word stays as she wrote it")
	_, err = word.Own("w", "tray", "", "blocks", "")
	assert.EqualError(t, err, "A word card has a word and what it means.")
	_, err = word.Own("w", "tray", "A tray.", "bag", "1")
	assert.Error(t, err)
}
