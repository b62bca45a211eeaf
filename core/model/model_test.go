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
	"unitbloom/core/model/rack"
	"unitbloom/core/place"
	"unitbloom/core/say"
	"unitbloom/internal/proptest"
)

var places = []place.Place{place.Ones, place.Tens, place.Hundreds, place.Thousands}

// drawMove draws a move that may or may not be legal on the board. Every kind of
// the registry has its line here; TestEveryMoveIsDrawn sees to it.
func drawMove(t *rapid.T, b board.Board) board.Move {
	i := rapid.IntRange(0, len(b.Models)-1).Draw(t, "model")
	spec, _ := board.SpecOf(b.Models[i].Kind())
	var kinds []string
	for _, mv := range append(slices.Clone(spec.Moves), board.BoardMoves()...) {
		kinds = append(kinds, mv.Kind)
	}
	kind := rapid.SampledFrom(kinds).Draw(t, "kind")
	return board.Move{Kind: kind, Model: i, Args: drawArgs(t, spec.Kind, kind, b.Models[i])}
}

func drawArgs(t *rapid.T, model, kind string, m board.Model) any {
	at := rapid.SampledFrom(places).Draw(t, "place")
	switch model + " " + kind {
	case "blocks build", "blocks place":
		return blocks.AmountArgs{Amount: drawAmount(t), Part: rapid.IntRange(0, 3).Draw(t, "part")}
	case "blocks take", "blocks cross", "blocks restore", "blocks remove", "blocks ring":
		return blocks.PiecesArgs{Pieces: drawSelects(t, m)}
	case "blocks bundle":
		a := blocks.BundleArgs{Place: at, Trace: rapid.Bool().Draw(t, "trace")}
		if rapid.Bool().Draw(t, "chosen") {
			a.Pieces = drawSelects(t, m)
		}
		return a
	case "blocks unbundle":
		a := blocks.UnbundleArgs{Place: at, Count: rapid.IntRange(0, 3).Draw(t, "count")}
		if rapid.Bool().Draw(t, "deep") {
			to := rapid.SampledFrom(places).Draw(t, "to")
			a.To = &to
		}
		if rapid.Bool().Draw(t, "chosen") {
			a.Pieces = drawSelects(t, m)
		}
		return a
	case "blocks join", "blocks apart", "blocks columns":
		return blocks.PlaceArgs{Place: at}
	case "blocks counted", "blocks tidy", "blocks clear", "rack home", "blocks removeModel", "rack removeModel":
		return nil
	case "blocks lay":
		return blocks.LayArgs{Pieces: drawSelects(t, m), DX: rapid.IntRange(-900, 900).Draw(t, "dx"), DY: rapid.IntRange(-900, 900).Draw(t, "dy")}
	case "blocks view":
		return blocks.ViewArgs{View: rapid.SampledFrom([]string{"columns", "mat", "pile"}).Draw(t, "view")}
	case "blocks style":
		return blocks.StyleArgs{Style: rapid.SampledFrom([]string{"solid", "sketch", "chalk"}).Draw(t, "style")}
	case "rack slide":
		var a rack.SlideArgs
		for range rapid.IntRange(0, 3).Draw(t, "pushes") {
			a.Rows = append(a.Rows, rack.Push{Row: rapid.IntRange(0, 10).Draw(t, "row"), To: rapid.IntRange(-1, 11).Draw(t, "to")})
		}
		return a
	case "rack build":
		return rack.NumberArgs{Amount: fmt.Sprint(rapid.IntRange(0, 110).Draw(t, "n"))}
	case "rack rows":
		return rack.RowsArgs{Count: rapid.IntRange(0, 11).Draw(t, "rows")}
	case "blocks cover", "rack cover", "blocks uncover", "rack uncover":
		return board.CoverArgs{Zone: rapid.SampledFrom([]string{"", "ones", "tens", "row 1", "row 1 left", "cellar"}).Draw(t, "zone")}
	case "blocks addModel", "rack addModel":
		return board.ModelArgs{Of: rapid.SampledFrom([]string{"blocks", "rack", "abacus"}).Draw(t, "of")}
	case "blocks title", "rack title":
		return board.TitleArgs{Title: "Bulbs"}
	}
	t.Fatalf("no moves are drawn for %s %s", model, kind)
	return nil
}

func drawAmount(t *rapid.T) string {
	form := place.FromCounts(func(p place.Place) int {
		if p < place.Ones || p > place.Thousands {
			return 0
		}
		return rapid.IntRange(0, 14).Draw(t, p.String())
	})
	return form.String()
}

// drawSelects names pieces by count, by slots or by id, sometimes wrongly.
func drawSelects(t *rapid.T, m board.Model) []board.Select {
	b := m.(blocks.Blocks)
	if len(b.Ordered) > 0 && rapid.Bool().Draw(t, "by id") {
		sel := board.Select{}
		for range rapid.IntRange(1, 12).Draw(t, "ids") {
			sel.IDs = append(sel.IDs, b.Ordered[rapid.IntRange(0, len(b.Ordered)-1).Draw(t, "piece")].ID)
		}
		return []board.Select{sel}
	}
	sel := board.Select{
		Place: rapid.SampledFrom(places).Draw(t, "of"),
		State: rapid.SampledFrom([]string{"", "play", "crossed", "taken", "spent", "any", "lost"}).Draw(t, "state"),
		Count: rapid.IntRange(-1, 12).Draw(t, "count"),
	}
	if rapid.Bool().Draw(t, "slots") {
		sel.Count, sel.Slots = 0, rapid.SliceOfN(rapid.IntRange(-1, 12), 1, 4).Draw(t, "at")
	}
	if rapid.Bool().Draw(t, "of a part") {
		part := rapid.IntRange(0, 2).Draw(t, "part")
		sel.Part = &part
	}
	return []board.Select{sel}
}

// drawBoard plays some random moves from an empty board.
func drawBoard(t *rapid.T) board.Board {
	b, err := board.New("blocks", "rack")
	require.NoError(t, err)
	for range rapid.IntRange(0, 12).Draw(t, "moves") {
		if next, _, err := board.Apply(b, drawMove(t, b)); err == nil {
			b = next
		}
	}
	return b
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
		if mv.Kind == "removeModel" || mv.Kind == "addModel" {
			return
		}
		for i := range b.Models {
			want := board.Law{Kind: board.Keeps}
			if i == mv.Model {
				want = law
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
			require.Len(t, l.Pieces, m.Pieces())
			at := map[[2]int32]board.PieceID{}
			for _, p := range l.Pieces {
				z := l.Zones[slices.IndexFunc(l.Zones, func(z board.Zone) bool { return z.ID == p.Zone })]
				if z.ID != "mat" {
					x, y := int(p.X), int(p.Y)
					require.Truef(t, x >= z.X && y >= z.Y && x+int(p.W) <= z.X+z.W && y+int(p.H) <= z.Y+z.H, "%+v lies outside %+v", p, z)
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
				moved.X, moved.Y = p.X, p.Y
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
			assert.NotEmpty(t, mv.Doc, mv.Kind)
			if mv.Board == "" {
				continue // needs a board that no notation holds; tried in TestMovesOnMarkedBoards
			}
			b, err := board.Parse(mv.Board)
			require.NoError(t, err, mv.Board)
			next, _, err := board.Apply(b, board.Move{Kind: mv.Kind, Args: mv.Example})
			require.NoErrorf(t, err, "%s on %s", mv.Kind, mv.Board)
			require.NotEqualf(t, asJSON(t, b)+layouts(b), asJSON(t, next)+layouts(next)+forLooks(mv.Kind), "%s does nothing on its own example", mv.Kind)
		}
	}
	for _, mv := range board.BoardMoves() {
		b, err := board.Parse(mv.Board)
		require.NoError(t, err)
		_, _, err = board.Apply(b, board.Move{Kind: mv.Kind, Args: mv.Example})
		require.NoError(t, err, mv.Kind)
	}
}

// forLooks lets the two moves pass that have nothing to do on a tidy board.
func forLooks(kind string) string {
	if kind == "counted" || kind == "tidy" || kind == "apart" {
		return " "
	}
	return ""
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
		{"blocks 12th", `{"kind":"bundle","place":"thousands"}`, "There is no block larger than a thousand."},
		{"blocks 5o", `{"kind":"unbundle","place":"ones"}`, "A one is the smallest block. It cannot be opened."},
		{"blocks 5o", `{"kind":"unbundle","place":"tens"}`, "Only 0 tens here, and 1 are asked for."},
		{"blocks 5o", `{"kind":"take","pieces":[{"place":"ones","count":7}]}`, "Only 5 ones here, and 7 are asked for."},
		{"blocks 5o", `{"kind":"take","pieces":[{"place":"tenths","count":1}]}`, "There is no block for tenths. Blocks go from ones to thousands."},
		{"blocks 5o", `{"kind":"take","pieces":[{"ids":[99]}]}`, "Piece 99 is not on this board."},
		{"blocks 5o", `{"kind":"build","amount":"lots"}`, `"lots" is not a count in "lots". Write it like 14 tens 6 ones.`},
		{"blocks 5o", `{"kind":"build","amount":"-3"}`, `"-3" is below 0: the number must be from 0 to 9999999.999.`},
		{"blocks 5o", `{"kind":"build","amount":"3.5"}`, "There is no block for tenths. Blocks go from ones to thousands."},
		{"blocks 5o", `{"kind":"place","amount":"2996 ones"}`, "That would make 3001 pieces. A board holds 3000."},
		{"blocks 3th", `{"kind":"unbundle","place":"thousands","to":"ones","count":3}`, "That would make 3000 pieces"},
		{"blocks 5o", `{"kind":"lay","pieces":[{"place":"ones"}],"dx":1,"dy":1}`, "Pieces move freely only on the open mat."},
		{"blocks 5o", `{"kind":"bundel","place":"ones"}`, `There is no move called "bundel" for blocks.`},
		{"blocks 5o", `{"kind":"bundle","plaice":"ones"}`, "Plaice: bundle has no such field. It has place, pieces, trace"},
		{"blocks 5o", `{"kind":"unbundle","place":"tens","count":"two"}`, "Count: this must be a whole number, not string"},
		{"blocks 5o", `{"kind":"unbundle","place":"tens","count":1.5}`, "Count: this must be a whole number, not number 1.5"},
		{"blocks 5o", `{"kind":"clear","model":3}`, "This board has no model number 4. It has 1."},
		{"rack 2: 6 8", `{"kind":"slide","rows":[{"row":3,"to":1}]}`, "There is no row 3. This rack has 2 rows."},
		{"rack 2: 6 8", `{"kind":"slide","rows":[{"row":1,"to":11}]}`, "The count must be from 0 to 10. 11 is not."},
		{"rack 2: 6 8", `{"kind":"build","amount":"21"}`, "21 does not fit. A rack of 2 rows holds 20."},
		{"rack 2: 6 8", `{"kind":"build","amount":"2.5"}`, "2.5 does not fit on a rack. A rack shows whole numbers."},
		{"rack 2: 6 8", `{"kind":"rows","count":1}`, "Row 2 has 8 beads on the reading side. Push them home first."},
		{"rack 2: 6 8", `{"kind":"cover","zone":"row 9"}`, "There is no part called row 9 to cover."},
		{"rack 2: 6 8", `{"kind":"removeModel"}`, "A board keeps at least one model."},
	} {
		b, err := board.Parse(c.board)
		require.NoError(t, err)
		var mv board.Move
		require.NoError(t, json.Unmarshal([]byte(c.move), &mv))
		next, _, err := board.Apply(b, mv)
		if c.says == "That would make 3000 pieces" { // exactly the limit is allowed
			require.NoError(t, err)
			continue
		}
		require.Errorf(t, err, "%s on %s", c.move, c.board)
		assert.Equal(t, c.says, err.Error())
		assert.Equal(t, asJSON(t, b), asJSON(t, next))
	}
}

func TestBundlingLeavesWhatIsOverTen(t *testing.T) {
	for n := 0; n <= 40; n++ {
		b, err := board.Parse(fmt.Sprintf("blocks %do", n))
		require.NoError(t, err)
		next, effect, err := board.Apply(b, board.Move{Kind: "bundle", Args: blocks.BundleArgs{Place: place.Ones}})
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
	for _, r := range b.ReadOuts(0, say.Words{}) {
		assert.Equal(t, board.Hidden, r.Text, r.ID)
	}
	assert.Equal(t, "42", b.ReadOuts(1, say.Words{})[0].Text, "the other model is not covered")
	b, _, err = board.Apply(b, board.Move{Kind: "uncover"})
	require.NoError(t, err)
	assert.Equal(t, "14", b.ReadOuts(0, say.Words{})[0].Text)
	assert.Equal(t, "6 + 8 = 14", b.ReadOuts(0, say.Words{})[5].Text)
	assert.Equal(t, "6 and 4 make 10; 8 and 2 make 10", b.ReadOuts(0, say.Words{})[6].Text)
}

func TestCoversHideStillWhenColumnsBecomeAMat(t *testing.T) {
	b, err := board.Parse("blocks 1h 4t 6o")
	require.NoError(t, err)
	b, err = board.ApplyAll(b, []board.Move{
		{Kind: "cover", Args: board.CoverArgs{Zone: "ones"}},
		{Kind: "view", Args: blocks.ViewArgs{View: "mat"}},
	})
	require.NoError(t, err)
	assert.Equal(t, []string{"mat"}, b.CoveredZones(0))
	b, err = board.ApplyAll(b, []board.Move{{Kind: "view", Args: blocks.ViewArgs{View: "columns"}}})
	require.NoError(t, err)
	assert.Equal(t, []string{"hundreds", "tens", "ones"}, b.CoveredZones(0))
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
		for _, text := range []string{"blocks 1th 1h 4t 13o + 2o", "rack 2: 6 8"} {
			b, err := board.Parse(text)
			require.NoError(t, err)
			_, _, err = board.Apply(b, mv)
			var refusal *say.Refusal
			require.True(t, err == nil || errors.As(err, &refusal))
		}
	})
}
