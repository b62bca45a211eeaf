package door_test

import (
	"encoding/json"
	"fmt"
	"maps"
	"slices"
	"strconv"
	"testing"

	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"unitbloom/core/board"
	"unitbloom/core/door"
	"unitbloom/core/lesson"
	"unitbloom/internal/proptest"
)

// everyReadOut shows all that a model can say.
func everyReadOut(b board.Board) []string {
	var ids []string
	for i := range b.Models {
		for _, r := range b.ReadOuts(i, lesson.Lesson{}.Words) {
			ids = append(ids, r.ID)
		}
	}
	return ids
}

// alike reports, from the layouts and by itself, whether two boards differ at most
// under the covers of their first model: the same zones, and the same pieces in
// those that lie open.
func alike(a, b board.Board) bool {
	if len(a.Models) != len(b.Models) || asJSON(a.Covers) != asJSON(b.Covers) || a.Models[0].Kind() != b.Models[0].Kind() {
		return false
	}
	return slices.Equal(open(a), open(b))
}

func asJSON(v any) string {
	body, _ := json.Marshal(v)
	return string(body)
}

// open lists what lies open on the first model, each piece from the corner of its
// zone.
func open(b board.Board) []string {
	l := b.Lay(0)
	zones := map[string]board.Zone{}
	var out []string
	for _, z := range l.Zones {
		zones[z.ID] = z
		hidden := z.ID == board.TakenZone
		for _, c := range b.CoversOn(0) {
			hidden = hidden || c.X < z.X+z.W && z.X < c.X+c.W && c.Y < z.Y+z.H && z.Y < c.Y+c.H
		}
		line := "zone " + z.ID
		if !hidden {
			line += fmt.Sprint(" ", z.Count, " ", z.W, " ", z.H)
		}
		out = append(out, line)
	}
	for _, p := range l.Pieces {
		x, y := int(p.X+p.W/2), int(p.Y+p.H/2)
		if p.Zone == board.TakenZone || slices.ContainsFunc(b.CoversOn(0), func(c board.Covering) bool {
			return x >= c.X && x < c.X+c.W && y >= c.Y && y < c.Y+c.H
		}) {
			continue
		}
		z := zones[p.Zone]
		out = append(out, fmt.Sprint(p.Zone, " ", p.Drawing, " ", int(p.X)-z.X, " ", int(p.Y)-z.Y, " ", p.Part, " ", p.Marks,
			" ", p.Text))
	}
	return append(out, asJSON(l.Flags), asJSON(l.Settings))
}

// plain is an answer without ids and without the outer sizes of zones and of the
// model, which may stand as they were: ids become their order of appearance, and
// pieces lie from the corner of the zone that they are nearest to.
func plain(t require.TestingT, raw json.RawMessage) string {
	var v any
	require.NoError(t, json.Unmarshal(raw, &v))
	models := modelsOf(v)
	for _, m := range models {
		delete(m, "w")
		delete(m, "h")
		zones, _ := m["zones"].([]any)
		for _, key := range []string{"pieces", "changed"} {
			list, _ := m[key].([]any)
			for i := range list {
				list[i] = near(list[i].([]any), zones)
			}
		}
		delete(m, "moved")
		removed, _ := m["removed"].([]any)
		m["removed"] = len(removed)
		decor, _ := m["decor"].([]any)
		for _, one := range decor {
			for _, k := range []string{"x", "y", "w", "h"} {
				delete(one.(map[string]any), k)
			}
		}
		for _, key := range []string{"zones", "covers"} {
			list, _ := m[key].([]any)
			for _, one := range list {
				for _, k := range []string{"x", "y", "w", "h"} {
					delete(one.(map[string]any), k)
				}
			}
		}
	}
	if top, ok := v.(map[string]any); ok {
		delete(top, "became")
		delete(top, "edits")
		delete(top, "beats")
	}
	return asJSON(v)
}

func modelsOf(v any) []map[string]any {
	top, ok := v.(map[string]any)
	if !ok {
		return nil
	}
	if b, ok := top["board"].(map[string]any); ok {
		top = b
	}
	list, _ := top["models"].([]any)
	var out []map[string]any
	for _, m := range list {
		out = append(out, m.(map[string]any))
	}
	return out
}

// near is a piece without its id, from the corner of the first zone that holds it.
func near(p []any, zones []any) []any {
	x, y := p[2].(float64), p[3].(float64)
	for _, one := range zones {
		z := one.(map[string]any)
		zx, zy, w, h := z["x"].(float64), z["y"].(float64), z["w"].(float64), z["h"].(float64)
		if x >= zx && x < zx+w && y >= zy && y < zy+h {
			p[2], p[3] = x-zx, y-zy
			break
		}
	}
	p[0] = 0
	return p
}

// Of two boards that are alike except under their covers, everything that comes out
// of the door is equal: the view, the selection of all that is in sight, what is
// announced of the same act, and why it is refused where both refuse.
func TestNothingOfWhatIsCoveredLeavesTheDoor(t *testing.T) {
	pairs := map[string]int{}
	proptest.CheckUpTo(t, 3000, func(rt *rapid.T) {
		kind := rapid.SampledFrom(shipped).Draw(rt, "kind").Kind
		one := played(rt, kind)
		l := one.Lay(0)
		zone := board.AllZone
		if len(l.Zones) > 0 && rapid.Bool().Draw(rt, "a zone") {
			zone = l.Zones[rapid.IntRange(0, len(l.Zones)-1).Draw(rt, "zone")].ID
		}
		two, err := board.Parse(board.Print(one))
		require.NoError(rt, err)
		one, err = board.Parse(board.Print(one))
		require.NoError(rt, err)
		for range rapid.IntRange(1, 3).Draw(rt, "other moves") {
			if next, _, err := board.Apply(two, randomMove(rt, two)); err == nil {
				two = next
			}
		}
		cover := board.Move{Kind: "cover", Args: board.CoverArgs{Zone: zone}}
		one, _, err1 := board.Apply(one, cover)
		two, _, err2 := board.Apply(two, cover)
		if err1 != nil || err2 != nil || asJSON(one) == asJSON(two) || !alike(one, two) {
			return
		}
		pairs[kind]++
		compareDoors(rt, one, two)
	})
	if proptest.Cases() < 300 {
		return // too few to meet a pair of every kind
	}
	for _, spec := range shipped {
		require.Positivef(t, pairs[spec.Kind], "no pair of %s was alike: %v", spec.Kind, slices.Sorted(maps.Keys(pairs)))
	}
}

func compareDoors(rt *rapid.T, one, two board.Board) {
	boards := []board.Board{one, two}
	doors := [2]*door.Door{door.New(), door.New()}
	ids := [2][]int{}
	call := func(i int, op, arg string) json.RawMessage {
		var answer struct {
			OK    json.RawMessage `json:"ok"`
			Error json.RawMessage `json:"error"`
		}
		require.NoError(rt, json.Unmarshal(doors[i].Call(op, []byte(arg)), &answer))
		if answer.Error != nil {
			return answer.Error
		}
		return answer.OK
	}
	same := func(what string, a, b json.RawMessage) {
		if x, y := plain(rt, a), plain(rt, b); x != y {
			rt.Fatalf("%s of %s and %s (covers %s) tells them apart %s", what, board.Print(one), board.Print(two),
				asJSON(one.Covers), difference(x, y))
		}
	}
	var frames [2]json.RawMessage
	for i, b := range boards {
		l := lesson.Lesson{Format: lesson.Format, Title: "T",
			Scenes: []lesson.Scene{{ID: "a", Start: b, Show: everyReadOut(b)}}}
		call(i, "open", `{"lesson":`+asJSON(l)+`}`)
		frames[i] = call(i, "show", `{"handle":1,"scene":"a","step":0}`)
		var f struct {
			Board struct{ Models []struct{ Pieces [][]any } }
		}
		require.NoError(rt, json.Unmarshal(frames[i], &f))
		for _, p := range f.Board.Models[0].Pieces {
			ids[i] = append(ids[i], int(p[0].(float64)))
		}
	}
	same("the view", frames[0], frames[1])
	for _, op := range []string{"counting", "compare"} {
		same(op, call(0, op, `{"handle":1,"model":0}`), call(1, op, `{"handle":1,"model":0}`))
	}
	mv := randomMove(rt, one)
	if len(mv.IDs(one)) > 0 {
		return // each board has ids of its own
	}
	arg := `{"handle":1,"move":` + asJSON(mv) + `}`
	var said [2]struct{ Announce, Warn, Code, Text string }
	for i := range doors {
		require.NoError(rt, json.Unmarshal(call(i, "apply", arg), &said[i]))
	}
	if (said[0].Code == "") == (said[1].Code == "") && said[0] != said[1] {
		rt.Fatalf("%s on %s and %s (covers %s) says %+v and %+v", asJSON(mv), board.Print(one), board.Print(two),
			asJSON(one.Covers), said[0], said[1])
	}
}

// played is a board of a model after some moves.
func played(rt *rapid.T, kind string) board.Board {
	b, err := board.New(kind)
	require.NoError(rt, err)
	for range rapid.IntRange(1, 6).Draw(rt, "moves") {
		if next, _, err := board.Apply(b, randomMove(rt, b)); err == nil {
			b = next
		}
	}
	return b
}

// randomMove draws one of the examples of the model's moves, with other numbers.
func randomMove(rt *rapid.T, b board.Board) board.Move {
	spec, _ := board.SpecOf(b.Models[0].Kind())
	mv := spec.Moves[rapid.IntRange(0, len(spec.Moves)-1).Draw(rt, "kind of move")]
	raw := asJSON(board.Move{Kind: mv.Kind, Args: mv.Example})
	var fields map[string]any
	require.NoError(rt, json.Unmarshal([]byte(raw), &fields))
	for _, name := range slices.Sorted(maps.Keys(fields)) {
		switch value := fields[name].(type) {
		case float64:
			fields[name] = rapid.IntRange(0, 6).Draw(rt, name)
		case string:
			if _, err := strconv.Atoi(value); err == nil || name == "amount" {
				fields[name] = strconv.Itoa(rapid.IntRange(0, 14).Draw(rt, name))
			}
		case bool:
			fields[name] = rapid.Bool().Draw(rt, name)
		case []any:
			if sel, ok := value[0].(map[string]any); ok && name == "pieces" {
				sel["count"] = rapid.IntRange(0, 4).Draw(rt, "count")
			}
		}
		if name == "place" || name == "to" && mv.Kind != "cards" && mv.Kind != "view" {
			if _, isText := fields[name].(string); isText {
				fields[name] = rapid.SampledFrom([]string{"ones", "tens", "hundreds"}).Draw(rt, name)
			}
		}
	}
	var out board.Move
	require.NoError(rt, json.Unmarshal([]byte(asJSON(fields)), &out))
	return out
}
