package model_test

import (
	"encoding/json"
	"fmt"
	"reflect"
	"slices"
	"strconv"
	"strings"

	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"unitbloom/core/board"
	"unitbloom/core/place"
)

// drawMove draws a move that may or may not be legal on the board: any kind of
// the registry, its parameters drawn from what their schema says.
func drawMove(t *rapid.T, b board.Board) board.Move {
	i := rapid.IntRange(0, len(b.Models)-1).Draw(t, "model")
	spec, _ := board.SpecOf(b.Models[i].Kind())
	specs := append(slices.Clone(spec.Moves), board.BoardMoves()...)
	mv := specs[rapid.IntRange(0, len(specs)-1).Draw(t, "kind")]
	args := reflect.New(reflect.TypeOf(mv.Args)).Elem()
	for f := range args.NumField() {
		drawField(t, args.Field(f), args.Type().Field(f), b.Models[i])
	}
	return board.Move{Kind: mv.Kind, Model: i, Args: args.Interface()}
}

func drawField(t *rapid.T, v reflect.Value, f reflect.StructField, m board.Model) {
	switch value := v.Addr().Interface().(type) {
	case *place.Place:
		*value = drawPlace(t)
	case **place.Place:
		if p := drawPlace(t); rapid.Bool().Draw(t, "given") {
			*value = &p
		}
	case *[]board.Select:
		if strings.Contains(f.Tag.Get("jsonschema"), "required") || rapid.Bool().Draw(t, "chosen") {
			*value = drawSelects(t, m)
		}
	case *string:
		*value = drawText(t, f, m)
	case *bool:
		*value = rapid.Bool().Draw(t, f.Name)
	case *int:
		*value = drawInt(t, f)
	case **int:
		if n := drawInt(t, f); rapid.Bool().Draw(t, "given") {
			*value = &n
		}
	case *board.Rect:
		*value = drawRect(t)
	case **board.Rect:
		if r := drawRect(t); rapid.Bool().Draw(t, "given") {
			*value = &r
		}
	case *[]string:
		*value = rapid.SliceOfN(rapid.SampledFrom([]string{"numeral", "words", "bond", "moon"}), 0, 3).Draw(t, f.Name)
	default:
		if v.Kind() == reflect.String {
			v.SetString(drawText(t, f, m))
			return
		}
		drawList(t, v)
	}
}

// drawList draws a list of parameter structs.
func drawList(t *rapid.T, v reflect.Value) {
	for range rapid.IntRange(0, 3).Draw(t, "items") {
		item := reflect.New(v.Type().Elem()).Elem()
		for f := range item.NumField() {
			drawField(t, item.Field(f), item.Type().Field(f), nil)
		}
		v.Set(reflect.Append(v, item))
	}
}

func drawPlace(t *rapid.T) place.Place {
	if rapid.IntRange(0, 3).Draw(t, "rare") == 0 {
		return place.Place(rapid.IntRange(int(place.Smallest), int(place.Largest)).Draw(t, "place"))
	}
	return rapid.SampledFrom([]place.Place{place.Ones, place.Tens, place.Hundreds, place.Thousands}).Draw(t, "place")
}

func drawText(t *rapid.T, f reflect.StructField, m board.Model) string {
	var choices []string
	for _, part := range strings.Split(f.Tag.Get("jsonschema"), ",") {
		if choice, ok := strings.CutPrefix(part, "enum="); ok {
			choices = append(choices, choice)
		}
	}
	if choices != nil {
		return rapid.SampledFrom(append(choices, "chalk")).Draw(t, f.Name)
	}
	switch f.Name {
	case "Zone":
		return rapid.SampledFrom(zoneNames(m)).Draw(t, "zone")
	case "Of":
		return rapid.SampledFrom(append(kinds(), "loom")).Draw(t, "of")
	case "Name":
		return rapid.SampledFrom([]string{"", "bulbs", "tens", "thousands", "millions", "tenths"}).Draw(t, "name")
	case "Number":
		return rapid.SampledFrom([]string{"", "40.50", "4070", "9999999.999", "x"}).Draw(t, "number")
	case "Title":
		return "Bulbs"
	}
	return drawAmount(t)
}

// kinds are the models of the registry.
func kinds() []string {
	var list []string
	for _, spec := range board.Specs() {
		list = append(list, spec.Kind)
	}
	return list
}

// zoneNames are the zones of a model as it lies, and one that there never is.
func zoneNames(m board.Model) []string {
	names := []string{"", board.AllZone, "cellar"}
	if m != nil {
		for _, z := range board.LayOut(m).Zones {
			names = append(names, z.ID)
		}
	}
	return names
}

// edges are amounts at the ends of what a board holds.
var edges = []string{"0", "9999999", "9999999.999", "0.001", "9 millions", "1 million", "999 thousands", "2999 ones",
	"9 hundred thousands 3 tens"}

func drawAmount(t *rapid.T) string {
	switch rapid.IntRange(0, 4).Draw(t, "way") {
	case 4:
		return rapid.SampledFrom(edges).Draw(t, "edge")
	case 0:
		return strconv.Itoa(rapid.IntRange(0, 60).Draw(t, "small"))
	case 1:
		return fmt.Sprintf("%d + %d", rapid.IntRange(0, 9).Draw(t, "one"), rapid.IntRange(0, 9).Draw(t, "two"))
	case 2:
		return fmt.Sprintf("%d.%02d", rapid.IntRange(0, 30).Draw(t, "whole"), rapid.IntRange(0, 99).Draw(t, "hundredths"))
	}
	form := place.FromCounts(func(p place.Place) int {
		if p < place.Ones || p > place.Thousands {
			return 0
		}
		return rapid.IntRange(0, 14).Draw(t, p.String())
	})
	return form.String()
}

// drawInt draws from just below the least to just above the most.
func drawInt(t *rapid.T, f reflect.StructField) int {
	least, most := 0, 12
	for _, part := range strings.Split(f.Tag.Get("jsonschema"), ",") {
		if n, ok := strings.CutPrefix(part, "minimum="); ok {
			least, _ = strconv.Atoi(n)
		}
		if n, ok := strings.CutPrefix(part, "maximum="); ok {
			most, _ = strconv.Atoi(n)
		}
	}
	if least == 0 && (f.Name == "DX" || f.Name == "DY") {
		return rapid.IntRange(-900, 900).Draw(t, f.Name)
	}
	if rapid.IntRange(0, 7).Draw(t, "edge") == 0 {
		return rapid.SampledFrom([]int{least - 1, least, most, most + 1}).Draw(t, f.Name)
	}
	return rapid.IntRange(least-1, max(least, min(most, 12))+1).Draw(t, f.Name)
}

func drawRect(t *rapid.T) board.Rect {
	n := func(name string) int { return rapid.IntRange(-20, 300).Draw(t, name) }
	return board.Rect{X: n("x"), Y: n("y"), W: n("w"), H: n("h")}
}

// drawSelects names pieces by count, by slots or by id, sometimes wrongly.
func drawSelects(t *rapid.T, m board.Model) []board.Select {
	if m != nil && rapid.Bool().Draw(t, "by id") && len(board.LayOut(m).Pieces) > 0 {
		list := board.LayOut(m).Pieces
		sel := board.Select{}
		for range rapid.IntRange(1, 12).Draw(t, "ids") {
			sel.IDs = append(sel.IDs, list[rapid.IntRange(0, len(list)-1).Draw(t, "piece")].ID)
		}
		return []board.Select{sel}
	}
	sel := board.Select{
		Place: drawPlace(t),
		State: rapid.SampledFrom([]string{"", "", "play", "crossed", "taken", "spent", "any", "lost"}).Draw(t, "state"),
		Count: rapid.IntRange(-1, 12).Draw(t, "count"),
	}
	if rapid.Bool().Draw(t, "slots") {
		sel.Count, sel.Slots = 0, rapid.SliceOfN(rapid.IntRange(-1, 12), 1, 4).Draw(t, "at")
	}
	if rapid.IntRange(0, 3).Draw(t, "of a part") == 0 {
		part := rapid.IntRange(0, 2).Draw(t, "part")
		sel.Part = &part
	}
	return []board.Select{sel}
}

// drawBoard plays some random moves on a board of two models, which may be linked.
func drawBoard(t *rapid.T) board.Board {
	b, err := board.New(rapid.SampledFrom(kinds()).Draw(t, "first"), rapid.SampledFrom(kinds()).Draw(t, "second"))
	require.NoError(t, err)
	if rapid.IntRange(0, 3).Draw(t, "linked") == 0 {
		if b, _, err = board.Apply(b, board.Move{Kind: "link", Args: board.WithArgs{With: 1}}); err != nil {
			t.Fatalf("empty models link: %v", err)
		}
	}
	for range rapid.IntRange(0, 12).Draw(t, "moves") {
		mv := drawMove(t, b)
		next, _, err := board.Apply(b, mv)
		if err != nil {
			continue
		}
		var kept board.Board
		if err := json.Unmarshal([]byte(asJSON(t, next)), &kept); err != nil {
			t.Fatalf("%s %+v leaves a board that cannot be kept: %v", mv.Kind, mv.Args, err)
		}
		b = next
	}
	return b
}
