package lesson_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/place"
)

// boardsOf are the boards of an example from its start through every move.
func boardsOf(t *testing.T, sc lesson.Scene) []board.Board {
	t.Helper()
	b, all := sc.Start, []board.Board{sc.Start}
	for _, step := range sc.Steps {
		for _, mv := range step.Moves {
			next, effect, err := board.Apply(b, mv)
			require.NoError(t, err)
			all = append(append(all, effect.Stages...), next)
			b = next
		}
	}
	return all
}

// An example stands still: in its rooms every board has one size, and every column, row
// and track one place and width, from the first step to the last; every piece has room. The tray
// is there before anything is taken, and what is taken stays where its place was put.
func TestAnExampleStandsStillInItsRooms(t *testing.T) {
	examples := 0
	for _, spec := range method.Specs() {
		models := spec.Models
		if len(models) == 0 {
			for _, m := range board.Specs() {
				models = append(models, m.Kind)
			}
		}
		for _, model := range models {
			for _, more := range []map[string]string{nil, {"ask": "every step", "pace": "one by one"}} {
				e, err := method.Make(method.Request{Method: spec.ID, Args: spec.Sample, Model: model, Options: more})
				if err != nil {
					continue // a sample is for one of the models, and may be too large for another
				}
				for _, one := range append([]method.Example{e}, e.More...) {
					for _, way := range board.Ways {
						standsStill(t, one.Scene, way)
					}
					examples++
				}
			}
		}
	}
	for _, problem := range []string{"12 ÷ 3", "41 ÷ 6", "40 ÷ 8", "18 ÷ 2", "9 ÷ 1", "97 ÷ 9", "618 ÷ 5", "1234 ÷ 2"} {
		for _, on := range [][2]string{{"share", "counters"}, {"group", "counters"}, {"share", "discs"}} {
			e, err := method.Make(method.Request{Method: on[0], Args: strings.Fields(problem), Model: on[1]})
			if err != nil {
				assert.Equal(t, "counters", on[1], "%s of many discs: %v", problem, err)
				continue
			}
			for _, way := range board.Ways {
				standsStill(t, e.Scene, way)
			}
			examples++
		}
	}
	assert.Greater(t, examples, 80)
}

func standsStill(t *testing.T, sc lesson.Scene, way board.Way) {
	t.Helper()
	rooms := sc.Rooms(way)
	require.NotEmpty(t, rooms)
	all := boardsOf(t, sc)
	columns, taken := map[string]board.Rect{}, map[string]int32{}
	held, groups, trays := map[place.Place]bool{}, map[string]board.Rect{}, map[int]board.Rect{}
	for _, b := range all {
		for i, room := range rooms[:len(b.Models)] {
			m, l := b.Models[i], b.LayIn(i, room)
			assert.Equal(t, [2]int{room.W, room.H}, [2]int{l.W, l.H}, "%s: model %d", sc.Title, i)
			groupsStandStill(t, sc.Title, l, groups)
			tray := trayOf(l)
			if was, there := trays[i]; there {
				assert.Equal(t, was, tray, "%s: the tray of model %d", sc.Title, i)
			}
			trays[i] = tray
			for _, z := range l.Zones {
				if z.Place == nil {
					continue
				}
				held[*z.Place] = held[*z.Place] || z.Count > 0
				at := board.Rect{X: z.X, W: z.W, H: z.H}
				key := m.Kind() + string(rune('0'+i)) + z.ID
				if was, there := columns[key]; there {
					assert.Equal(t, was, at, "%s: %s", sc.Title, key)
				}
				columns[key] = at
				reach := room.Reach[z.ID]
				for _, p := range l.InFives() {
					holds := p.Zone != z.ID || int(p.X+p.W) <= reach.W && int(p.Y+p.H) <= reach.H
					assert.True(t, holds, "%s: one at %d, %d beyond the reach of its fives", sc.Title, p.X, p.Y)
				}
				for _, p := range l.Pieces {
					if p.Zone == z.ID && (p.Drawing != "one" || len(l.InFives()) == 0) {
						holds := int(p.X+p.W)-z.X <= reach.W && int(p.Y+p.H)-z.Y <= reach.H
						assert.True(t, holds, "%s: %s at %d, %d beyond the reach of its column", sc.Title, p.Drawing, p.X, p.Y)
					}
				}
			}
			first := map[string]int32{}
			for _, p := range l.Pieces {
				if x, there := first[p.Drawing]; p.Zone == board.TakenZone && (!there || p.X < x) {
					first[p.Drawing] = p.X
				}
			}
			for drawing, x := range first {
				if was, there := taken[drawing]; there && (way.Abreast || way.Below) && m.Kind() == "blocks" {
					assert.Equal(t, was, x, "%s: %s in the tray", sc.Title, drawing)
				}
				taken[drawing] = x
			}
			for _, p := range l.Pieces {
				inside := p.X >= 0 && p.Y >= 0 && int(p.X+p.W) <= l.W && int(p.Y+p.H) <= l.H
				assert.True(t, inside, "%s: %s at %d, %d in %d × %d", sc.Title, p.Drawing, p.X, p.Y, l.W, l.H)
			}
		}
		assert.Equal(t, rooms, lesson.Widened(rooms, b), "%s: nothing of its own asks for more", sc.Title)
	}
}

// trayOf is where the tray of what was taken stands; an empty one where there is none.
func trayOf(l board.Layout) board.Rect {
	for _, z := range l.Zones {
		if z.ID == board.TakenZone {
			return board.Rect{X: z.X, Y: z.Y, W: z.W, H: z.H}
		}
	}
	return board.Rect{}
}

// groupsStandStill holds that a group is where it was when it was made, that its pieces lie
// within it, and none of another.
func groupsStandStill(t *testing.T, title string, l board.Layout, known map[string]board.Rect) {
	t.Helper()
	for _, z := range l.Zones {
		if role, _ := z.Is(); role != "group" && z.ID != "beside" {
			continue
		}
		at := board.Rect{X: z.X, Y: z.Y, W: z.W, H: z.H}
		was, there := known[z.ID]
		if z.ID == "beside" {
			was.H = at.H // a pile is as high as what lies in it
		}
		if there {
			assert.Equal(t, was, at, "%s: %s", title, z.ID)
		}
		known[z.ID] = at
		for _, p := range l.Pieces {
			x, y := int(p.X+p.W/2), int(p.Y+p.H/2)
			within := x > at.X && x < at.X+at.W && y > at.Y && y < at.Y+at.H
			assert.Equal(t, p.Zone == z.ID, within, "%s: of %s at %d, %d, and %s at %v", title, p.Zone, p.X, p.Y, z.ID, at)
		}
	}
}

// A track is as wide as the most that it holds and what it says of itself, and tracks stand beside
// one another under the chart where they have room.
func TestTracksTakeTheRoomThatTheyNeed(t *testing.T) {
	for problem, rows := range map[string]int{"97 ÷ 4": 4, "12 ÷ 4": 2, "88 ÷ 2": 2} {
		e, err := method.Make(method.Request{Method: "share", Args: strings.Fields(problem), Model: "discs"})
		require.NoError(t, err)
		room := e.Scene.Rooms(board.Way{Below: true})[0]
		most, width := 0, 0
		tops := map[int]bool{}
		for _, b := range boardsOf(t, e.Scene) {
			l := b.LayIn(0, room)
			left := map[string]int{}
			for _, z := range l.Zones {
				if role, _ := z.Is(); role == "group" {
					left[z.ID], tops[z.Y], width = z.X, true, z.W
				}
			}
			for _, p := range l.Pieces {
				if x, in := left[p.Zone]; in {
					most = max(most, int(p.X+p.W)-x)
				}
			}
		}
		assert.LessOrEqual(t, width-most, 12+2*20, problem)
		assert.Len(t, tops, rows, problem)
	}
}

// Only the columns that an example uses are there.
func TestColumnsThatNoStepUsesAreNotThere(t *testing.T) {
	for _, c := range []struct {
		method  string
		args    []string
		model   string
		columns []string
	}{
		{"share", []string{"97", "4"}, "discs", []string{"tens", "ones"}},
		{"column-add", []string{"3.7", "2.85"}, "discs", []string{"ones", "tenths", "hundredths"}},
		{"column-add", []string{"58", "67"}, "blocks", []string{"hundreds", "tens", "ones"}},
		{"column-add", []string{"23", "45"}, "blocks", []string{"tens", "ones"}},
		{"build", []string{"305"}, "blocks", []string{"hundreds", "tens", "ones"}},
		{"build", []string{"40"}, "discs", []string{"tens", "ones"}},
	} {
		e, err := method.Make(method.Request{Method: c.method, Args: c.args, Model: c.model})
		require.NoError(t, err)
		var shown []string
		for _, z := range e.Scene.Start.LayIn(0, e.Scene.Rooms(board.Way{})[0]).Zones {
			if z.Place != nil {
				shown = append(shown, z.ID)
			}
		}
		assert.Equal(t, c.columns, shown, "%s %v on %s", c.method, c.args, c.model)
	}
}

// Charts under one another are held by their height: their columns are alike, so that there is
// room over each for its name and its count. Blocks of other places are too unlike.
func TestChartsUnderOneAnotherHaveLikeColumns(t *testing.T) {
	widths := func(model string) (all [2][]int) {
		e, err := method.Make(method.Request{Method: "compare", Args: []string{"408", "480"}, Model: model})
		require.NoError(t, err)
		for i, room := range e.Scene.Rooms(board.Way{}) {
			for _, z := range e.Scene.Start.LayIn(i, room).Zones {
				if z.Place != nil {
					all[i] = append(all[i], z.W)
				}
			}
		}
		assert.Equal(t, all[0], all[1], "place stands under place")
		return all
	}
	discs, blocks := widths("discs")[0], widths("blocks")[0]
	require.Len(t, discs, 3)
	assert.Equal(t, []int{discs[0], discs[0], discs[0]}, discs)
	assert.Greater(t, blocks[0], 2*blocks[2])
}

// What is tried on a copy is given room, and what was there keeps what it had.
func TestWhatIsTriedIsGivenRoom(t *testing.T) {
	e, err := method.Make(method.Request{Method: "column-add", Args: []string{"23", "45"}})
	require.NoError(t, err)
	rooms := e.Scene.Rooms(board.Way{})
	tried, err := board.Parse("blocks 4h 6t 8o")
	require.NoError(t, err)
	wider := lesson.Widened(rooms, tried)
	assert.Greater(t, wider[0].W, rooms[0].W)
	assert.Contains(t, wider[0].Columns, place.Hundreds)
	for p, w := range rooms[0].Columns {
		assert.GreaterOrEqual(t, wider[0].Columns[p], w)
	}
	assert.Empty(t, lesson.Scene{Start: tried}.Rooms(board.Way{}), "a free board is laid as it is")
	covered := e.Scene
	covered.Start.Covers = []board.Cover{{Zone: "ones", At: &board.Rect{X: 1, Y: 1, W: 20, H: 20}}}
	assert.Empty(t, covered.Rooms(board.Way{}), "a cover hides what lies at a spot, and spots stay where they are")
}
