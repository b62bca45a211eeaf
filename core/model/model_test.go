package model_test

import (
	"encoding/json"
	"errors"
	"fmt"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"unitbloom/core/board"
	_ "unitbloom/core/model"
	"unitbloom/core/model/blocks"
	"unitbloom/core/model/pieces"
	"unitbloom/core/model/rack"
	"unitbloom/core/place"
	"unitbloom/core/say"
	"unitbloom/internal/proptest"
	"unitbloom/internal/tally"
)

// A model that is registered is tested: its laws, notation and file form, without
// being named by any test.
func init() { board.Use(tally.Spec()) }

// readOut is one read-out of a model, by its id.
func readOut(t require.TestingT, b board.Board, model int, id string) string {
	for _, r := range b.ReadOuts(model, say.Vocabulary{}) {
		if r.ID == id {
			return r.Text
		}
	}
	require.Failf(t, "no such read-out", "%s", id)
	return ""
}

func asJSON(t require.TestingT, value any) string {
	body, err := json.Marshal(value)
	require.NoError(t, err)
	return string(body)
}

// layouts shows ids and places too, which JSON leaves out.
func layouts(b board.Board) string {
	text := ""
	for i := range b.Models {
		text += fmt.Sprintf("%+v", b.Lay(i).Pieces)
	}
	return text
}

func TestMovesKeepTheirLawsAndTheirInput(t *testing.T) {
	proptest.Check(t, func(t *rapid.T) {
		b := drawBoard(t)
		mv := drawMove(t, b)
		before, seen := asJSON(t, b), layouts(b)
		law, lawErr := board.LawOf(b, mv)
		next, _, err := board.Apply(b, mv)
		require.Equal(t, before, asJSON(t, b), "Apply altered its input")
		require.Equal(t, seen, layouts(b), "Apply altered its input")
		if err != nil {
			var refusal *say.Refusal
			require.ErrorAs(t, err, &refusal, "a refusal, not %v", err)
			require.NotEmpty(t, refusal.Code)
			require.NotContains(t, err.Error(), "{", "every value of the sentence is filled in")
			require.Equal(t, before, asJSON(t, next), "a refused move changed something")
			return
		}
		require.NoError(t, lawErr)
		if mv.Kind == "removeModel" || mv.Kind == "addModel" || mv.Kind == "reorder" {
			return
		}
		for i := range b.Models {
			want := board.Law{Kind: board.Keeps}
			switch {
			case i == mv.Model:
				want = law
			case next.Tiles[i].Linked && next.Tiles[mv.Model].Linked:
				require.Equal(t, board.Total(next.Models[mv.Model]), board.Total(next.Models[i]), "linked models show one number")
				continue
			}
			was, now := board.Total(b.Models[i]), board.Total(next.Models[i])
			require.Truef(t, want.Holds(was, now), "%s %+v: %s to %s is not %+v", mv.Kind, mv.Args, was, now, want)
		}
	})
}

func TestPieceIDsAreNeverUsedTwice(t *testing.T) {
	proptest.Check(t, func(t *rapid.T) {
		b := drawBoard(t)
		alive := map[board.PieceID]bool{}
		gone := map[board.PieceID]bool{}
		for range 8 {
			now := map[board.PieceID]bool{}
			for i := range b.Models {
				for _, p := range b.Lay(i).Pieces {
					if p.Drawing == "card" {
						continue // a digit comes back as itself
					}
					require.Falsef(t, now[p.ID], "piece %d lies on the board twice", p.ID)
					require.Falsef(t, gone[p.ID], "piece %d came back as another", p.ID)
					now[p.ID] = true
				}
			}
			for id := range alive {
				gone[id] = gone[id] || !now[id]
			}
			alive = now
			if next, _, err := board.Apply(b, drawMove(t, b)); err == nil {
				b = next
			}
		}
	})
}

func TestSavedMovesDoTheSameOnASavedBoard(t *testing.T) {
	proptest.Check(t, func(t *rapid.T) {
		b := drawBoard(t)
		mv := drawMove(t, b)
		next, _, err := board.Apply(b, mv)
		if err != nil {
			return
		}
		saved, err := board.Saved(b, mv)
		require.NoError(t, err)
		text := asJSON(t, saved)
		require.NotContains(t, text, `"ids"`)
		var read board.Move
		require.NoError(t, json.Unmarshal([]byte(text), &read))
		var fresh board.Board
		require.NoError(t, json.Unmarshal([]byte(asJSON(t, b)), &fresh))
		again, _, err := board.Apply(fresh, read)
		require.NoErrorf(t, err, "%s", text)
		require.Equalf(t, asJSON(t, next), asJSON(t, again), "%s", text)
	})
}

func TestHowPiecesWereChosenMakesNoDifference(t *testing.T) {
	var b board.Board
	require.NoError(t, json.Unmarshal([]byte(`{"models":[{"kind":"blocks","pieces":[
		{"place":"ones","count":1,"part":1,"state":"taken"},{"place":"ones","count":1,"part":2}]}]}`), &b))
	want := ""
	for _, sels := range []string{`{"place":"ones","slots":[0]},{"place":"ones","state":"taken","slots":[0]}`,
		`{"place":"ones","state":"taken","slots":[0]},{"place":"ones","slots":[0]}`, `{"place":"ones","state":"any"}`} {
		var mv board.Move
		require.NoError(t, json.Unmarshal([]byte(`{"kind":"copy","pieces":[`+sels+`]}`), &mv))
		next, _, err := board.Apply(b, mv)
		require.NoError(t, err)
		if want == "" {
			want = asJSON(t, next)
		}
		require.Equal(t, want, asJSON(t, next), "%s", sels)
	}
}

func TestBoardsRoundTrip(t *testing.T) {
	proptest.Check(t, func(t *rapid.T) {
		b := drawBoard(t)
		var back board.Board
		require.NoError(t, json.Unmarshal([]byte(asJSON(t, b)), &back))
		require.Equal(t, asJSON(t, b), asJSON(t, back))

		parsed, err := board.Parse(board.Print(b))
		require.NoErrorf(t, err, "%q", board.Print(b))
		require.Equal(t, asJSON(t, board.Canonical(b)), asJSON(t, parsed))
		require.Equal(t, board.Print(b), board.Print(parsed))
		for i := range b.Models {
			require.Equal(t, board.Total(b.Models[i]), board.Total(parsed.Models[i]))
		}
	})
}

func TestLayoutsKeepPiecesInTheirZonesAndApart(t *testing.T) {
	proptest.Check(t, func(t *rapid.T) {
		b := drawBoard(t)
		for i, m := range b.Models {
			l := b.Lay(i)
			lying := slices.DeleteFunc(slices.Clone(l.Pieces), func(s board.Sprite) bool { return s.Drawing == "card" })
			require.Len(t, lying, m.Pieces())
			at := map[[2]int32]board.PieceID{}
			for _, p := range l.Pieces {
				z := l.Zones[slices.IndexFunc(l.Zones, func(z board.Zone) bool { return z.ID == p.Zone })]
				if z.ID != "mat" {
					x, y := int(p.X), int(p.Y)
					require.Truef(t, x >= z.X && y >= z.Y && x+int(p.W) <= z.X+z.W && y+int(p.H) <= z.Y+z.H, "%+v lies outside %+v", p,
						z)
					require.Zerof(t, at[[2]int32{p.X, p.Y}], "two pieces lie at %d, %d", p.X, p.Y)
				}
				at[[2]int32{p.X, p.Y}] = p.ID
			}
		}
	})
}

// A change list brings the picture before a move to the one after it.
func TestChangesLeadFromOneLayoutToTheNext(t *testing.T) {
	proptest.Check(t, func(t *rapid.T) {
		b := drawBoard(t)
		next, _, err := board.Apply(b, drawMove(t, b))
		if err != nil || len(next.Models) != len(b.Models) {
			return
		}
		for i := range b.Models {
			before, after := b.Lay(i), next.Lay(i)
			picture := map[board.PieceID]board.Sprite{}
			for _, p := range before.Pieces {
				picture[p.ID] = p
			}
			c := before.ChangesTo(after)
			for _, id := range c.Removed {
				delete(picture, id)
			}
			for _, p := range c.Changed {
				picture[p.ID] = *p
			}
			for _, p := range c.Moved {
				moved := picture[p.ID]
				moved.X, moved.Y = moved.X+p.DX, moved.Y+p.DY
				picture[p.ID] = moved
			}
			require.Len(t, picture, len(after.Pieces))
			for _, p := range after.Pieces {
				require.Equal(t, p, picture[p.ID])
			}
		}
	})
}

func TestEveryMoveHasAWorkingExample(t *testing.T) {
	for _, spec := range board.Specs() {
		for _, example := range spec.Examples {
			b, err := board.Parse(example)
			require.NoError(t, err, example)
			assert.Equal(t, example, board.Print(b))
		}
		for _, mv := range spec.Moves {
			tryExample(t, mv)
		}
	}
	for _, mv := range board.BoardMoves() {
		tryExample(t, mv)
	}
}

// tryExample makes the example of a move on its board: it works, and it shows.
func tryExample(t *testing.T, mv board.MoveSpec) {
	assert.NotEmpty(t, mv.Doc, mv.Kind)
	b, err := board.Parse(mv.Board)
	require.NoErrorf(t, err, "%s: %q", mv.Kind, mv.Board)
	b, err = board.ApplyAll(b, mv.Before)
	require.NoErrorf(t, err, "%s on %s", mv.Kind, mv.Board)
	next, effect, err := board.Apply(b, board.Move{Kind: mv.Kind, Args: mv.Example})
	require.NoErrorf(t, err, "%s on %s", mv.Kind, mv.Board)
	require.NotEmptyf(t, effect.Said.Text(say.Vocabulary{}), "%s says nothing", mv.Kind)
	if mv.Kind != "counted" { // there is nothing new on a board that was just read
		require.NotEqualf(t, asJSON(t, b)+layouts(b), asJSON(t, next)+layouts(next), "%s does nothing on its own example",
			mv.Kind)
	}
}

func TestMovesOnMarkedBoards(t *testing.T) {
	b, err := board.Parse("blocks 13o")
	require.NoError(t, err)
	apply := func(text string) {
		t.Helper()
		var mv board.Move
		require.NoError(t, json.Unmarshal([]byte(text), &mv))
		b, _, err = board.Apply(b, mv)
		require.NoError(t, err, text)
	}
	apply(`{"kind":"take","pieces":[{"place":"ones","count":2}]}`)
	assert.Equal(t, "11", board.Total(b.Models[0]).String())
	apply(`{"kind":"restore","pieces":[{"place":"ones","state":"taken","count":1}]}`)
	apply(`{"kind":"cross","pieces":[{"place":"ones","slots":[0]}]}`)
	assert.Equal(t, "11", board.Total(b.Models[0]).String())
	apply(`{"kind":"bundle","place":"ones","trace":true}`)
	assert.Equal(t, "blocks 1t 1o", board.Print(b))
	apply(`{"kind":"view","view":"mat"}`)
	apply(`{"kind":"lay","pieces":[{"place":"tens"}],"dx":100,"dy":50}`)
	apply(`{"kind":"tidy"}`)
	l := b.Lay(0)
	assert.Equal(t, 4, len(l.Pieces), "a ten, a one, one crossed out and one taken; the traces are put away")
}

func TestRefusalsSayWhatWouldDo(t *testing.T) {
	for _, c := range []struct{ board, move, says string }{
		{"blocks 6o", `{"kind":"bundle","place":"ones"}`, "6 ones here. A ten needs 4 more."},
		{"blocks 1o", `{"kind":"bundle","place":"ones"}`, "1 one here. A ten needs 9 more."},
		{"blocks 12hth", `{"kind":"bundle","place":"hundred thousands"}`,
			"There is no block larger than a hundred thousand."},
		{"blocks 5o", `{"kind":"unbundle","place":"ones"}`, "A one is the smallest block. It cannot be unbundled."},
		{"blocks 5o", `{"kind":"unbundle","place":"tens"}`, "Only 0 tens here, and 1 are asked for."},
		{"blocks 5o", `{"kind":"take","pieces":[{"place":"ones","count":7}]}`, "Only 5 ones here, and 7 are asked for."},
		{"blocks 5o", `{"kind":"take","pieces":[{"place":"tenths","count":1}]}`,
			"There is no block for tenths. They go from ones to hundred thousands."},
		{"blocks 5o", `{"kind":"take","pieces":[{"ids":[99]}]}`, "Piece 99 is not on this board."},
		{"blocks 5o", `{"kind":"build","amount":"lots"}`, `“lots” is not a count in “lots”. Write it like 14 tens 6 ones.`},
		{"blocks 5o", `{"kind":"build","amount":"-3"}`, `Numbers here go from 0 to 9999999.999.`},
		{"blocks 5o", `{"kind":"build","amount":"3.5"}`,
			"There is no block for tenths. They go from ones to hundred thousands."},
		{"blocks 5o", `{"kind":"place","amount":"2996 ones"}`, "That would make 3001 pieces. A board holds 3000."},
		{"blocks 3th", `{"kind":"unbundle","place":"thousands","to":"ones","count":3}`, "That would make 3000 pieces"},
		{"blocks 5o", `{"kind":"lay","pieces":[{"place":"ones"}],"dx":1,"dy":1}`, "Pieces move freely only on the open mat."},
		{"blocks 5o", `{"kind":"bundel","place":"ones"}`, `There is no move called "bundel" for blocks.`},
		{"blocks 5o", `{"kind":"bundle","plaice":"ones"}`,
			`"plaice": there is no such field. Those of bundle are place, pieces, trace.`},
		{"blocks 5o", `{"kind":"unbundle","place":"tens","count":"two"}`,
			`"count": this must be a whole number, not a text.`},
		{"blocks 5o", `{"kind":"unbundle","place":"tens","count":1.5}`,
			`"count": this must be a whole number, not the number 1.5.`},
		{"blocks 5o", `{"kind":"clear","model":3}`, "This board has no model number 4. It has 1."},
		{"rack 2: 6 8", `{"kind":"slide","rows":[{"row":3,"to":1}]}`, "There is no row 3. This rack has 2 rows."},
		{"rack 2: 6 8", `{"kind":"slide","rows":[{"row":1,"to":11}]}`, "The count must be from 0 to 10. 11 is not."},
		{"rack 2: 6 8", `{"kind":"build","amount":"21"}`, "21 needs 3 rows. The rack has 2."},
		{"rack 2: 6 8", `{"kind":"build","amount":"2.5"}`, "2.5 does not fit on a rack. A rack shows whole numbers."},
		{"rack 2: 6 8", `{"kind":"rows","count":1}`, "Row 2 has 8 beads on the reading side. Push them home first."},
		{"rack 2: 6 8", `{"kind":"cover","zone":"row 9"}`, "There is no part called row 9 to cover."},
		{"blocks 5o", `{"kind":"take","pieces":[{"place":"ones","shade":"red"}]}`,
			`"shade": there is no such field. Those of take are pieces.`},
		{"discs 9m", `{"kind":"place","amount":"9 millions"}`, "That is more than 9999999.999, the largest number here."},
		{"discs 9m", `{"kind":"place","amount":"999 thousands"}`, ""},
		{"counters 9 of millions", `{"kind":"place","count":1}`, "Numbers here go from 0 to 9999999.999."},
		{"blocks 4o", `{"kind":"beside","readouts":null}`, `"readouts": it is missing.`},
		{"blocks 4o", `{"kind":"beside","readouts":["numeral","words","expanded","unitForm","placeWords"]}`,
			`"readouts": 5 are too many; it holds 4.`},
		{"rack 2: 6 8", `{"kind":"removeModel"}`, "A board keeps at least one model."},
	} {
		b, err := board.Parse(c.board)
		require.NoError(t, err)
		var mv board.Move
		require.NoError(t, json.Unmarshal([]byte(c.move), &mv))
		next, _, err := board.Apply(b, mv)
		if c.says == "" || c.says == "That would make 3000 pieces" { // exactly the limit is allowed
			require.NoError(t, err)
			continue
		}
		require.Errorf(t, err, "%s on %s", c.move, c.board)
		assert.Equal(t, c.says, err.Error())
		assert.Equal(t, asJSON(t, b), asJSON(t, next))
	}
}

// What is taken away and put back meanwhile may not be over the largest number.
func TestNothingComesBackBeyondTheLargestNumber(t *testing.T) {
	nine := func(state string) []board.Select {
		return []board.Select{{Place: place.Millions, State: state, Count: 9}}
	}
	b, err := board.Parse("discs 9m")
	require.NoError(t, err)
	b, err = board.ApplyAll(b, []board.Move{
		{Kind: "take", Args: pieces.PiecesArgs{Pieces: nine("")}},
		{Kind: "place", Args: pieces.AmountArgs{Amount: "9 millions"}},
	})
	require.NoError(t, err)
	next, _, err := board.Apply(b, board.Move{Kind: "restore", Args: pieces.PiecesArgs{Pieces: nine("taken")}})
	assert.EqualError(t, err, "That is more than 9999999.999, the largest number here.")
	assert.Equal(t, asJSON(t, b), asJSON(t, next))
}

// Linked models, too, stay within what can be kept.
func TestALinkedChangeStaysInRange(t *testing.T) {
	b, err := board.Parse("discs 9m | counters 9 of millions")
	require.NoError(t, err)
	b, err = board.ApplyAll(b, []board.Move{{Kind: "link", Args: board.WithArgs{With: 1}}})
	require.NoError(t, err)
	_, _, err = board.Apply(b, board.Move{Kind: "place", Args: pieces.AmountArgs{Amount: "1 million"}})
	assert.EqualError(t, err, "That is more than 9999999.999, the largest number here.")
}

func TestBundlingLeavesWhatIsOverTen(t *testing.T) {
	for n := 0; n <= 40; n++ {
		b, err := board.Parse(fmt.Sprintf("blocks %do", n))
		require.NoError(t, err)
		next, effect, err := board.Apply(b, board.Move{Kind: "bundle", Args: pieces.BundleArgs{Place: place.Ones}})
		if n < 10 {
			require.Error(t, err)
			continue
		}
		require.NoError(t, err)
		assert.Equal(t, n-10, next.Models[0].InPlay().Of(place.Ones))
		assert.Equal(t, 1, next.Models[0].InPlay().Of(place.Tens))
		require.Len(t, effect.Became, 1)
		assert.Len(t, effect.Became[0].From, 10)
		assert.NotZero(t, next.Lay(0).Pieces[0].Marks&board.MarkNew, "the new ten is marked")
	}
}

func TestAllRacksOfTwoRows(t *testing.T) {
	for a := range 11 {
		for b := range 11 {
			bd, err := board.Parse(fmt.Sprintf("rack 2: %d %d", a, b))
			require.NoError(t, err)
			require.Equal(t, fmt.Sprint(a+b), board.Total(bd.Models[0]).String())
			l := bd.Lay(0)
			left := 0
			for _, p := range l.Pieces {
				if p.X+p.W <= 290 {
					left++
				}
			}
			require.Equal(t, a+b, left, "as many beads lie on the reading side as are counted")
			for n := range 21 {
				next, _, err := board.Apply(bd, board.Move{Kind: "build", Args: rack.NumberArgs{Amount: fmt.Sprint(n)}})
				require.NoError(t, err)
				require.Equal(t, fmt.Sprint(n), board.Total(next.Models[0]).String())
				require.LessOrEqual(t, next.Models[0].(rack.Rack).Pushes, 2)
			}
		}
	}
}

func TestTypedNumbersOnALongRackTakeTheFewestPushes(t *testing.T) {
	for n := range 101 {
		b, err := board.Parse("rack 10:")
		require.NoError(t, err)
		next, _, err := board.Apply(b, board.Move{Kind: "build", Args: rack.NumberArgs{Amount: fmt.Sprint(n)}})
		require.NoError(t, err)
		want := 0
		if n >= 10 {
			want++
		}
		if n%10 > 0 {
			want++
		}
		assert.Equal(t, want, next.Models[0].(rack.Rack).Pushes, "%d", n)
	}
}

func TestReadOutsStaySilentUnderACover(t *testing.T) {
	b, err := board.Parse("rack 2: 6 8 | blocks 4t 2o")
	require.NoError(t, err)
	b, _, err = board.Apply(b, board.Move{Kind: "cover", Args: board.CoverArgs{Zone: "row 1 right"}})
	require.NoError(t, err)
	for _, r := range b.ReadOuts(0, say.Vocabulary{}) {
		if !r.Safe {
			assert.Equal(t, board.Hidden, r.Text, r.ID)
			assert.Empty(t, r.Parts, r.ID)
		}
	}
	assert.Equal(t, "6 and ? make 10; 8 and 2 make 10", readOut(t, b, 0, "missing"))
	assert.Equal(t, "42", b.ReadOuts(1, say.Vocabulary{})[0].Text, "the other model is not covered")
	b, _, err = board.Apply(b, board.Move{Kind: "uncover"})
	require.NoError(t, err)
	assert.Equal(t, "14", readOut(t, b, 0, "numeral"))
	assert.Equal(t, "6 + 8 = 14", readOut(t, b, 0, "rows"))
	assert.Equal(t, "6 and 4 make 10; 8 and 2 make 10", readOut(t, b, 0, "missing"))
	assert.Equal(t, "14 = 6 + 8", readOut(t, b, 0, "bond"))
}

func TestCoversHideStillWhenColumnsBecomeAMat(t *testing.T) {
	b, err := board.Parse("blocks 1h 4t 6o")
	require.NoError(t, err)
	b, err = board.ApplyAll(b, []board.Move{
		{Kind: "cover", Args: board.CoverArgs{Zone: "ones"}},
		{Kind: "view", Args: blocks.ViewArgs{View: "mat"}},
	})
	require.NoError(t, err)
	require.Len(t, b.CoversOn(0), 1)
	l := b.Lay(0)
	assert.Equal(t, board.Rect{W: l.W, H: l.H}, b.CoversOn(0)[0].Rect, "all of the mat is covered")
}

func FuzzNotation(f *testing.F) {
	for _, spec := range board.Specs() {
		for _, e := range spec.Examples {
			f.Add(e)
		}
	}
	f.Fuzz(func(t *testing.T, s string) {
		b, err := board.Parse(s)
		if err != nil {
			return
		}
		again, err := board.Parse(board.Print(b))
		require.NoError(t, err)
		require.Equal(t, board.Print(b), board.Print(again))
	})
}

func FuzzMove(f *testing.F) {
	for _, spec := range board.Specs() {
		for _, mv := range spec.Moves {
			body, _ := json.Marshal(board.Move{Kind: mv.Kind, Args: mv.Example})
			f.Add(body)
		}
	}
	f.Fuzz(func(t *testing.T, raw []byte) {
		var mv board.Move
		if json.Unmarshal(raw, &mv) != nil {
			return
		}
		for _, text := range []string{"blocks 1th 1h 4t 13o + 2o", "rack 2: 6 8", "counters 2x5: 6 + 3 @ 2 2",
			"cubes 2T 5a4b 3", "discs 2h 13o 5.h"} {
			b, err := board.Parse(text)
			require.NoError(t, err)
			_, _, err = board.Apply(b, mv)
			var refusal *say.Refusal
			require.True(t, err == nil || errors.As(err, &refusal))
		}
	})
}
