package model_test

import (
	"encoding/json"
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/model/discs"
	"unitbloom/core/say"
)

// What holds at the edge of a limit, and no longer one beyond it.

func decodeBoard(raw string) error {
	var b board.Board
	return json.Unmarshal([]byte(raw), &b)
}

func TestAFullBoardIsReadAndAFullerOneIsNot(t *testing.T) {
	of := func(first, second int) string {
		return fmt.Sprintf(`{"models":[{"kind":"blocks","pieces":[{"place":"ones","count":%d}]},`+
			`{"kind":"blocks","pieces":[{"place":"ones","count":%d}]}]}`, first, second)
	}
	require.NoError(t, decodeBoard(of(board.MaxPieces-5, 5)))
	require.ErrorContains(t, decodeBoard(of(board.MaxPieces-5, 6)), "3001 pieces are too many")
}

func TestAPieceMayStandInTheLastGroupFrameAndPart(t *testing.T) {
	of := func(field string, n int) string {
		return fmt.Sprintf(`{"models":[{"kind":"counters","frames":[%s],"groups":12,`+
			`"pieces":[{"place":"ones","count":1,%q:%d,"cells":[0]}]}]}`, frames(12), field, n)
	}
	require.NoError(t, decodeBoard(of("frame", 12)))
	require.Error(t, decodeBoard(of("frame", 13)))
	for _, c := range []struct {
		field string
		n     int
		says  string
	}{
		{"frame", -1, "frame: -1 is not from 0 to"}, {"frame", 100_000, "frame: 100000 is not from 0 to"},
		{"group", -1, "group: -1 is not from 0 to"}, {"group", 100_000, "group: 100000 is not from 0 to"},
		{"part", -1, "part: -1 is not from 0 to"}, {"part", 100_000, "part: 100000 is not from 0 to"},
		{"ring", -1, "ring: -1 is not from 0 to"}, {"ring", 100_000, "ring: 100000 is not from 0 to"},
	} {
		assert.ErrorContains(t, decodeBoard(of(c.field, c.n)), c.says)
	}
}

func frames(n int) string {
	out := ""
	for range n {
		out += `,{"rows":2,"columns":5}`
	}
	return out[1:]
}

func TestCoversLieWithinReach(t *testing.T) {
	at := func(x, y int) string {
		return fmt.Sprintf(`{"kind":"cover","at":{"x":%d,"y":%d,"w":10,"h":10}}`, x, y)
	}
	for _, edge := range []string{at(20000, 0), at(-20000, 0), at(0, 20000), at(0, -20000)} {
		_, err := play(t, "blocks 3o", edge)
		assert.NoError(t, err, edge)
	}
	for _, beyond := range []string{at(20001, 0), at(-20001, 0), at(0, 20001), at(0, -20001)} {
		_, err := play(t, "blocks 3o", beyond)
		assert.Error(t, err, beyond)
	}
}

func TestACoverThatIsNotThereIsNotMoved(t *testing.T) {
	_, err := play(t, "blocks 3o", `{"kind":"cover"}`, `{"kind":"moveCover","index":1,"at":{"x":1,"y":1,"w":9,"h":9}}`)
	require.ErrorContains(t, err, "2")
}

func TestOnlyLinkedModelsFollow(t *testing.T) {
	b, err := play(t, "blocks 3o | discs 3o | blocks 7o", `{"kind":"link","with":1}`, `{"kind":"place","amount":"2 ones"}`)
	require.NoError(t, err)
	assert.Equal(t, "blocks 5o | discs 5o | blocks 7o", board.Print(b))
}

func TestASlotThatIsNotThereIsRefused(t *testing.T) {
	_, err := play(t, "blocks 3o", `{"kind":"take","pieces":[{"place":"ones","slots":[4,1]}]}`)
	require.ErrorContains(t, err, "Only 3 ones here, and 5 are asked for.")
}

func TestGroupsOnAMatLieApart(t *testing.T) {
	b, err := play(t, "blocks 2h 9t 14o", `{"kind":"view","view":"mat"}`)
	require.NoError(t, err)
	end := map[string]int32{}
	begin := map[string]int32{}
	for _, p := range b.Lay(0).Pieces {
		if x, ok := begin[p.Drawing]; !ok || p.X < x {
			begin[p.Drawing] = p.X
		}
		end[p.Drawing] = max(end[p.Drawing], p.X+p.W)
	}
	require.Len(t, end, 3)
	assert.Greater(t, begin["ten"], end["hundred"])
	assert.Greater(t, begin["one"], end["ten"])
}

func TestEachOfSeveralCoversIsItsOwn(t *testing.T) {
	two := []string{`{"kind":"cover","zone":"ones"}`, `{"kind":"cover","zone":"tens"}`}
	b, err := play(t, "blocks 3t 5o", two...)
	require.NoError(t, err)
	require.Len(t, b.Covers, 2)
	first, err := play(t, "blocks 3t 5o", append(two, `{"kind":"uncover","index":0}`)...)
	require.NoError(t, err)
	require.Len(t, first.Covers, 1)
	assert.Equal(t, "tens", first.Covers[0].Zone)
	last, err := play(t, "blocks 3t 5o", append(two, `{"kind":"uncover","index":1}`)...)
	require.NoError(t, err)
	assert.Equal(t, "ones", last.Covers[0].Zone)
	_, err = play(t, "blocks 3t 5o", append(two, `{"kind":"uncover","index":2}`)...)
	require.Error(t, err)
}

func TestOnlyCellsThatLieWhollyUnderACoverAreHidden(t *testing.T) {
	cells := func(moves ...string) (n int) {
		b, err := play(t, "counters 2x5: 6", moves...)
		require.NoError(t, err)
		for _, d := range b.Shown(0).Decor {
			if d.Kind == "cell" {
				n++
			}
		}
		return n
	}
	whole, err := play(t, "counters 2x5: 6")
	require.NoError(t, err)
	first := whole.Lay(0).Decor[0]
	require.Equal(t, "cell", first.Kind)
	over := func(w, h int) string {
		return fmt.Sprintf(`{"kind":"cover","at":{"x":%d,"y":%d,"w":%d,"h":%d}}`, first.X, first.Y, w, h)
	}
	assert.Equal(t, 10, cells())
	assert.Equal(t, 9, cells(over(first.W, first.H)), "the others are there still")
	assert.Equal(t, 10, cells(over(first.W-1, first.H)))
	assert.Equal(t, 10, cells(over(first.W, first.H-1)))
}

func TestABoardTakesNoMoreThanIsReckoned(t *testing.T) {
	const piece = 200
	for _, spec := range board.Specs() {
		for _, notation := range spec.Examples {
			b, err := board.Parse(notation)
			require.NoError(t, err)
			for _, mv := range []string{`{"kind":"title","title":"<<<<<<<<<<<<<<<<<<<<<<<<<<<<<<"}`, `{"kind":"keep"}`,
				`{"kind":"cover"}`} {
				var move board.Move
				require.NoError(t, json.Unmarshal([]byte(mv), &move))
				b, _, err = board.Apply(b, move)
				require.NoError(t, err)
				assert.GreaterOrEqual(t, b.Bytes(piece), len(asJSON(t, b)), "%s after %s", notation, mv)
			}
		}
	}
}

// What a newer file says is kept, and reckoned, wherever it stands.
func TestWhatIsNotKnownIsReckonedToo(t *testing.T) {
	long := fmt.Sprintf(`"later":%q`, strings.Repeat("x", 5000))
	for _, file := range []string{
		`{"models":[{"kind":"blocks","pieces":[]}],` + long + `}`,
		`{"models":[{"kind":"blocks","pieces":[]}],"tiles":[{` + long + `}]}`,
		`{"models":[{"kind":"blocks","pieces":[],` + long + `}]}`,
	} {
		var b board.Board
		require.NoError(t, json.Unmarshal([]byte(file), &b))
		kept := asJSON(t, b)
		assert.Contains(t, kept, long)
		assert.GreaterOrEqual(t, b.Bytes(0), len(kept))
	}
}

func TestABoardFileHoldsOneToFourModels(t *testing.T) {
	for n := range 6 {
		models := strings.TrimSuffix(strings.Repeat(`{"kind":"blocks","pieces":[]},`, n), ",")
		err := decodeBoard(`{"models":[` + models + `]}`)
		if n >= 1 && n <= 4 {
			assert.NoError(t, err, n)
		} else {
			assert.ErrorContains(t, err, fmt.Sprintf("one to four models, and this one has %d", n))
		}
	}
}

func TestEveryHundredAndThousandIsSeenBesideTheOthers(t *testing.T) {
	for _, of := range []string{"h", "k"} {
		for n := 2; n <= 20; n++ {
			b, err := board.Parse(fmt.Sprintf("blocks %d%s", n, of))
			if err != nil {
				break // more than a number can be
			}
			all := b.Lay(0).Pieces
			for i := range all {
				for j := range i {
					apart := max(abs(all[i].X-all[j].X), abs(all[i].Y-all[j].Y))
					assert.GreaterOrEqual(t, apart, int32(8), "%d%s: pieces %d and %d", n, of, j, i)
				}
			}
		}
	}
}

func abs(n int32) int32 { return max(n, -n) }

func TestOpenedPiecesAreToldUnderACoverOnlyWhenTheyWereAskedFor(t *testing.T) {
	said := func(move string) string {
		b, err := play(t, "blocks 3t 5o", `{"kind":"cover","zone":"tens"}`)
		require.NoError(t, err)
		var mv board.Move
		require.NoError(t, json.Unmarshal([]byte(move), &mv))
		_, effect, err := board.Apply(b, mv)
		require.NoError(t, err)
		return effect.Said.Text(say.Vocabulary{})
	}
	assert.Contains(t, said(`{"kind":"unbundle","place":"tens"}`), "1 ten", "one was asked for")
	assert.NotContains(t, said(`{"kind":"unbundle","place":"tens","pieces":[{"place":"tens","count":2}]}`), "2",
		"how many were found is not told")
}

func TestATileIsAsWideAsItMayBe(t *testing.T) {
	of := func(width int) string {
		return fmt.Sprintf(`{"models":[{"kind":"blocks","pieces":[]}],"tiles":[{"width":%d}]}`, width)
	}
	require.NoError(t, decodeBoard(of(board.MaxWidth)))
	require.ErrorContains(t, decodeBoard(of(board.MaxWidth+1)), "width")
	require.ErrorContains(t, decodeBoard(of(-1)), "width")
}

// A board is what its models are: without tiles it is written all the same, and one
// without anything is like another such.
func TestABoardWithoutTilesIsWritten(t *testing.T) {
	b, err := board.Parse("blocks 3o")
	require.NoError(t, err)
	raw, err := board.Board{Models: b.Models}.MarshalJSON()
	require.NoError(t, err)
	assert.Contains(t, string(raw), `"blocks"`)
	assert.True(t, board.Board{}.Same(board.Board{}))
	assert.False(t, board.Board{}.Same(b))
	assert.True(t, b.Same(b))
	again, err := board.Parse("blocks 3o")
	require.NoError(t, err)
	assert.True(t, b.Same(again), "a value, wherever it lies in memory")
	other, err := board.Parse("blocks 4o")
	require.NoError(t, err)
	assert.False(t, b.Same(other))
	covered, err := play(t, "blocks 3o", `{"kind":"cover","zone":"ones"}`)
	require.NoError(t, err)
	assert.False(t, b.Same(covered))
}

// A saved move is about one of the four models that a board can have.
func TestASavedMoveNamesAModelThatThereCanBe(t *testing.T) {
	of := func(model int) int {
		var mv board.Move
		require.NoError(t, json.Unmarshal(fmt.Appendf(nil, `{"kind":"place","amount":"1 one","model":%d}`, model), &mv))
		return len(board.FileFaults("moves[0]", mv))
	}
	assert.Zero(t, of(0))
	assert.Zero(t, of(board.MaxModels-1))
	assert.Positive(t, of(board.MaxModels))
	assert.Positive(t, of(-1))
}

// What is written on a zone is hidden with it, and what is written on its neighbour stays.
func TestANeighbourOfACoveredZoneIsRead(t *testing.T) {
	b, err := play(t, "counters 2x5 2x5: 17", `{"kind":"numerals","shown":true}`, `{"kind":"cover","zone":"frame 1"}`)
	require.NoError(t, err)
	read := map[string]int{}
	for _, d := range b.Shown(0).Decor {
		if d.Text != "" {
			read[d.Zone]++
		}
	}
	assert.Equal(t, map[string]int{"frame 2": 10}, read)
}

func TestCoversOfOtherModelsStayWhenOneGoes(t *testing.T) {
	b, err := play(t, "blocks 3o | rack 2: 4 0", `{"kind":"cover","zone":"ones"}`, `{"kind":"cover","model":1}`,
		`{"kind":"removeModel","model":1}`)
	require.NoError(t, err)
	require.Len(t, b.Covers, 1)
	assert.Equal(t, "ones", b.Covers[0].Zone)
	b, err = play(t, "blocks 3o | rack 2: 4 0", `{"kind":"cover","zone":"ones"}`, `{"kind":"cover","model":1}`,
		`{"kind":"removeModel"}`)
	require.NoError(t, err)
	require.Len(t, b.Covers, 1)
	assert.Equal(t, board.AllZone, b.Covers[0].Zone)
	assert.Equal(t, 0, b.Covers[0].Model)
}

// A zone and a part of it are covered each on its own; the same cover twice is one.
func TestTheSameCoverIsLaidOnce(t *testing.T) {
	part := `{"kind":"cover","zone":"ones","at":{"x":1,"y":1,"w":20,"h":20}}`
	whole := `{"kind":"cover","zone":"ones"}`
	for _, c := range []struct {
		moves []string
		want  int
	}{{[]string{whole, part}, 2}, {[]string{part, whole}, 2}, {[]string{part, `{"kind":"cover","zone":"tens"}`}, 2}} {
		b, err := play(t, "blocks 3t 3o", c.moves...)
		require.NoError(t, err)
		assert.Len(t, b.Covers, c.want, c.moves)
	}
	for _, twice := range []string{part, whole} {
		b, err := play(t, "blocks 3t 3o", twice, twice)
		if err == nil {
			assert.Len(t, b.Covers, 1, twice)
		}
	}
}

func TestATrainSnapsInsideAndTakesAColourThatThereIs(t *testing.T) {
	_, err := play(t, "cubes 6", `{"kind":"snap","train":1,"after":6}`)
	assert.EqualError(t, err, "The count must be from 1 to 5. 6 is not.")
	_, err = play(t, "cubes 6", `{"kind":"snap","train":1,"after":5}`)
	assert.NoError(t, err)
	for _, part := range []int{-1, 9, 99} {
		_, err = play(t, "cubes 6", fmt.Sprintf(`{"kind":"colour","part":%d,"pieces":[{"count":2}]}`, part))
		assert.ErrorContains(t, err, "must be from", part)
	}
}

// The groups at the side of a chart share its height among them.
func TestGroupsOfAChartShareItsHeight(t *testing.T) {
	for groups := 1; groups <= 5; groups++ {
		b, err := play(t, "discs 3h 4t 2o", fmt.Sprintf(`{"kind":"groups","count":%d}`, groups))
		require.NoError(t, err)
		l := b.Lay(0)
		heights := map[int]bool{}
		top, bottom := l.H, 0
		for _, z := range l.Zones {
			if role, _ := z.Is(); role == "group" {
				heights[z.H] = true
				top, bottom = min(top, z.Y), max(bottom, z.Y+z.H)
			}
		}
		assert.Len(t, heights, 1, "%d groups", groups)
		assert.Equal(t, 0, top)
		assert.InDelta(t, l.H, bottom, float64(groups), "%d groups", groups)
	}
}

// A track that stays keeps its discs; those of one that goes lie in the chart again.
func TestFewerTracksKeepTheirDiscs(t *testing.T) {
	group := func(n int) string { return fmt.Sprintf(`{"kind":"groups","count":%d}`, n) }
	b, err := play(t, "discs 8o", group(4), `{"kind":"share","place":"ones"}`, group(3))
	require.NoError(t, err)
	in := map[string]int{}
	for _, p := range b.Lay(0).Pieces {
		in[p.Zone]++
	}
	assert.Equal(t, map[string]int{"ones": 2, "group 1": 2, "group 2": 2, "group 3": 2}, in)
}

func TestEmptyCellsAreCounted(t *testing.T) {
	b, err := board.Parse("counters 2x5 2x5: 7")
	require.NoError(t, err)
	said := map[string]string{}
	for _, r := range b.ReadOuts(0, say.Vocabulary{}) {
		said[r.ID] = r.Text
	}
	assert.Equal(t, "13 more makes 20", said["empty"])
}

// A shade that no row stands behind any more goes with the row.
func TestAShadeGoesWithItsRow(t *testing.T) {
	of := func(moves ...string) string {
		b, err := play(t, "counters 5x3: 15", moves...)
		require.NoError(t, err)
		raw, err := b.MarshalJSON()
		require.NoError(t, err)
		return string(raw)
	}
	split, shrink := `{"kind":"split","after":4}`, `{"kind":"grow","frame":1,"less":true}`
	assert.Contains(t, of(split), `"split":4`)
	assert.NotContains(t, of(split, shrink), `"split"`)
	assert.Contains(t, of(`{"kind":"split","after":3}`, shrink), `"split":3`)
	split, shrink = `{"kind":"split","after":2,"across":true}`, `{"kind":"grow","frame":1,"less":true,"across":true}`
	assert.Contains(t, of(split), `"split":2`)
	assert.NotContains(t, of(split, shrink), `"split"`)
	assert.Contains(t, of(`{"kind":"split","after":1,"across":true}`, shrink), `"split":1`)
}

// A chart follows in its largest and its smallest column as in any other.
func TestAChartFollowsToItsEnds(t *testing.T) {
	b, err := play(t, "discs 1m 1.th | discs 2m 3.th", `{"kind":"link","with":1}`,
		`{"kind":"place","model":1,"amount":"2 thousandths"}`, `{"kind":"place","model":1,"amount":"1 millions"}`)
	require.NoError(t, err)
	forms := strings.Split(board.Print(b), " | ")
	require.Len(t, forms, 2)
	assert.Equal(t, forms[0], forms[1])
	assert.Equal(t, "3000000.005", readOut(t, b, 0, "numeral"))
}

// Where another step has a start row, the rows stand as low without it.
func TestRowsKeepTheRoomOfAStartRow(t *testing.T) {
	zone := func(l board.Layout, id string) board.Zone {
		i := slices.IndexFunc(l.Zones, func(z board.Zone) bool { return z.ID == id })
		require.GreaterOrEqual(t, i, 0, id)
		return l.Zones[i]
	}
	two, err := board.Parse("discs 3t 4o + 2t 5o")
	require.NoError(t, err)
	begun, err := play(t, "discs 3t 4o", `{"kind":"shift","by":1,"keep":true}`)
	require.NoError(t, err)
	room := board.LayOut(begun.Models[0]).Room
	require.Positive(t, room.Rows[0])
	loose, kept := two.Lay(0), two.LayIn(0, room)
	for _, row := range []string{"row 1", "row 2"} {
		assert.Equal(t, zone(loose, row).Y+room.Rows[0], zone(kept, row).Y, row)
	}
}

// Pieces of a board never share an id, whatever comes after rows were added.
func TestIdsOfNewRowsAreTheirOwn(t *testing.T) {
	b, err := play(t, "rack 2: 3 0 | blocks 0", `{"kind":"rows","count":5}`,
		`{"kind":"place","model":1,"amount":"9 ones"}`)
	require.NoError(t, err)
	seen := map[board.PieceID]bool{}
	for i := range b.Models {
		for _, p := range b.Lay(i).Pieces {
			assert.False(t, seen[p.ID], "%d twice", p.ID)
			seen[p.ID] = true
		}
	}
	assert.Len(t, seen, 59)
}

func TestAChartHasAsManyGroupsAsItMay(t *testing.T) {
	_, err := play(t, "discs 3o", fmt.Sprintf(`{"kind":"groups","count":%d}`, discs.MaxGroups))
	assert.NoError(t, err)
	_, err = play(t, "discs 3o", fmt.Sprintf(`{"kind":"groups","count":%d}`, discs.MaxGroups+1))
	assert.Error(t, err)
}
