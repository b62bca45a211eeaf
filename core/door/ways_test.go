package door_test

import (
	"encoding/json"
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/door"
)

type updated struct {
	Frame   json.RawMessage `json:"frame"`
	Outline door.Outline    `json:"outline"`
}

func (d desk) ways() []door.WayView {
	return d.frame("a", 0).Ways
}

func TestAChildsWayStandsOverTheBoardAndInTheRecord(t *testing.T) {
	d := openBoard(t, "rack 2: 8 5")
	d.call("show", map[string]any{"scene": "a", "step": 0, "present": true}, nil)
	before := board.Print(d.document().Scenes[0].Start)
	var u updated
	d.call("takeIn", map[string]any{"text": "8 and 2 more and 3", "name": "Mirren"}, &u)
	d.call("takeIn", map[string]any{"text": "two fives and 3"}, &u)
	assert.Equal(t, "Mirren: 8 + 2 + 3 = 13", u.Outline.Record[0].Text)
	assert.Equal(t, "2 × 5 + 3 = 13", u.Outline.Record[1].Text)
	ways := d.ways()
	require.Len(t, ways, 2)
	assert.Equal(t, []string{"8", "2", "3"}, ways[0].Parts)
	assert.Equal(t, "13", ways[0].Whole)
	assert.NotEqual(t, ways[0].Colour, ways[1].Colour)
	assert.Len(t, ways[1].Rings, 3)
	assert.Equal(t, before, board.Print(d.document().Scenes[0].Start), "the board stays as it was")

	assert.Equal(t, "That way stands there already: Mirren: 8 + 2 + 3 = 13.",
		d.try("takeIn", map[string]any{"text": "3 and 8 and 2"}, nil))
	assert.Equal(t, `“8 and 4” comes to 12, and there are 13.`, d.try("takeIn", map[string]any{"text": "8 and 4"}, nil))
	assert.Len(t, d.document().Record, 2, "what was refused is not written")
	d.call("undo", map[string]any{}, nil)
	assert.Len(t, d.document().Record, 1)
	assert.Len(t, d.ways(), 1, "undo takes a way off with its line")
	d.call("dropWays", map[string]any{}, nil)
	assert.Empty(t, d.ways())
	assert.Len(t, d.document().Record, 1, "the record keeps what was taken in")
}

func TestWaysEndSomewhere(t *testing.T) {
	d := openBoard(t, "counters 2x5: 9")
	for _, said := range []string{"1 8", "2 7", "3 6", "4 5", "3 3 3", "1 1 7", "1 2 6", "1 3 5"} {
		d.call("takeIn", map[string]any{"text": said}, nil)
	}
	assert.Equal(t, "8 ways stand there. Take them off first.", d.try("takeIn", map[string]any{"text": "1 4 4"}, nil))
	long := make([]byte, 41)
	assert.Contains(t, d.try("takeIn", map[string]any{"text": "1 4 4", "name": string(long)}, nil), "at most 40 letters")
	assert.Contains(t, d.try("takeIn", map[string]any{"text": "1 4 4", "model": 3}, nil), "no model 3")
}

// A typed list is a board for each of its numbers, all as one undo; what does not fit
// changes nothing.
func TestEachOfAListIsABoard(t *testing.T) {
	d := openBoard(t, "rack 3: 4")
	var list door.Amounts
	d.call("amounts", map[string]any{"text": "8 + 6, 24,  7"}, &list)
	assert.Equal(t, []string{"8 + 6", "24", "7"}, list.Amounts)
	d.call("buildEach", map[string]any{"amounts": list.Amounts, "id": "each"}, nil)
	var starts []string
	for _, sc := range d.document().Scenes {
		starts = append(starts, sc.Title+": "+board.Print(sc.Start))
	}
	assert.Equal(t, []string{"A: rack 3: 8 6 0", ": rack 3: 10 10 4", ": rack 3: 7 0 0"}, starts)
	// What tells the number is for the teacher: a class reads no title that she did not give.
	var o door.Outline
	d.call("outline", map[string]any{}, &o)
	var called []string
	for _, sc := range o.Scenes {
		called = append(called, fmt.Sprint(sc.Title, " ", sc.Unnamed))
	}
	assert.Equal(t, []string{"A false", "24 true", "7 true"}, called)
	d.call("undo", map[string]any{}, nil)
	assert.Len(t, d.document().Scenes, 1)
	assert.Equal(t, "rack 3: 4 0 0", board.Print(d.document().Scenes[0].Start))

	assert.Contains(t, d.try("buildEach", map[string]any{"amounts": []string{"7", "138"}, "id": "each"}, nil), "138")
	assert.Equal(t, "rack 3: 4 0 0", board.Print(d.document().Scenes[0].Start))
	assert.Len(t, d.document().Scenes, 1)
}

// A list has the rows that its largest number needs, alike on all of its boards.
func TestAListHasTheRoomThatItNeeds(t *testing.T) {
	d := openBoard(t, "rack 2: 4")
	d.call("buildEach", map[string]any{"amounts": []string{"7", "38", "12"}, "id": "each"}, nil)
	var starts []string
	for _, sc := range d.document().Scenes {
		starts = append(starts, board.Print(sc.Start))
	}
	assert.Equal(t, []string{"rack 4: 7 0 0 0", "rack 4: 10 10 10 8", "rack 4: 10 2 0 0"}, starts)
	d.call("undo", map[string]any{}, nil)
	assert.Equal(t, "rack 2: 4 0", board.Print(d.document().Scenes[0].Start))
}

// A refusal that knows what would do offers it, as a move.
func TestARefusalOffersWhatWouldDo(t *testing.T) {
	d := openBoard(t, "rack 2: 4")
	var answer struct {
		Error door.Failure `json:"error"`
	}
	out := d.door.Call("apply", []byte(`{"handle":1,"move":{"kind":"build","amount":"8 + 6 + 4"}}`))
	require.NoError(t, json.Unmarshal(out, &answer))
	require.NotNil(t, answer.Error.Offer)
	assert.Equal(t, "Take 3 rows", answer.Error.Offer.Label)
	move, err := json.Marshal(answer.Error.Offer.Move)
	require.NoError(t, err)
	d.apply(string(move))
	assert.Equal(t, "rack 3: 8 6 4", board.Print(d.document().Scenes[0].Start))
}
