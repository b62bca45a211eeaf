package model_test

import (
	"crypto/sha256"
	"encoding/json"
	"flag"
	"fmt"
	"maps"
	"path/filepath"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"unitbloom/core/board"
	"unitbloom/core/say"
	"unitbloom/internal/proptest"
)

// The files in testdata/lie show how the pieces of a model lie, in lines that a person can read:
// a change of a layout shows there as what it is, and is written anew with -update.
var update = flag.Bool("update", false, "write the files of how pieces lie anew")

// crowded are boards that the examples of moves do not come by: full and empty columns, tens
// across a break, large and small places.
var crowded = map[string][]string{
	"blocks": {"blocks 4h 17t 23o", "blocks 3th 12h 1t 9o", "blocks 2h 4t 6o + 1h 8t 7o", "blocks 11t + 9t 9o + 30o"},
	"rack":   {"rack 2: 10 3", "rack 1: 7", "rack 10: 10 10 10 4 0 0 0 0 0 0"},
	"counters": {"counters 23", "counters 2x5 2x5 2x5: 27", "counters 2x5: 7 + 8", "counters 3 @ 5 5 5",
		"counters 10x10: 64"},
	"cubes": {"cubes 13", "cubes 10a 10a 4b", "cubes 3a3b3c 2", "cubes 10T 7a"},
	"discs": {"discs 12h 15t 31o", "discs 4th 2t 1.h", "discs 6h 2t + 3h 9t 8o", "discs 1m 25o 3.h 4.t"},
}

func TestHowPiecesLie(t *testing.T) {
	for _, spec := range board.Specs() {
		if spec.Kind == "tally" {
			continue // of the tests
		}
		var out strings.Builder
		show := func(title string, b board.Board) {
			fmt.Fprintf(&out, "# %s\n", title)
			for i := range b.Models {
				if b.Models[i].Kind() != spec.Kind {
					continue
				}
				for _, r := range b.ReadOuts(i, say.Vocabulary{}) {
					fmt.Fprintf(&out, "reads %s: %q of %q in %q\n", r.ID, r.Text, r.Whole, r.Parts)
				}
				lie(t, &out, b.Models[i])
			}
		}
		for _, text := range slices.Concat(spec.Examples, crowded[spec.Kind]) {
			b, err := board.Parse(text)
			require.NoError(t, err, text)
			show(text, b)
		}
		for _, mv := range spec.Moves {
			b, err := board.Parse(mv.Board)
			require.NoError(t, err, mv.Board)
			b, err = board.ApplyAll(b, mv.Before)
			require.NoError(t, err, mv.Kind)
			example := board.Move{Kind: mv.Kind, Args: mv.Example}
			law, err := board.LawOf(b, example)
			require.NoError(t, err, mv.Kind)
			b, effect, err := board.Apply(b, example)
			require.NoError(t, err, mv.Kind)
			show(fmt.Sprintf("%s · %s: %s %s %d, said %q", mv.Board, mv.Kind, law.Kind, law.Value, law.Power,
				effect.Said.Text(say.Vocabulary{})), b)
		}
		proptest.WrittenDown(t, *update, filepath.Join("testdata/lie", spec.Kind+".txt"), out.String())
	}
}

// lie writes how a model lies: loose as on a board, and tight in each way.
func lie(t *testing.T, out *strings.Builder, m board.Model) {
	lain := map[string]bool{}
	rooms := []board.Room{{}}
	for _, way := range board.Ways {
		rooms = append(rooms, board.Room{Tight: true, Way: way})
	}
	for _, room := range rooms {
		l := board.LayIn(m, room)
		var text strings.Builder
		fmt.Fprintf(&text, "%d × %d, flags %v, settings %v, counts %v\n", l.W, l.H, l.Flags, l.Settings, l.Counts)
		if room.Tight {
			r := l.Room
			fmt.Fprintf(&text, "room chart %d, columns %v, reach %v, rows %v, ", r.Chart, r.Columns, r.Reach, r.Rows)
			fmt.Fprintf(&text, "track %d × %d, groups %d of %d and %d, ", r.Lane, r.Track, r.Groups, r.Each, r.Pile)
			fmt.Fprintf(&text, "taken %v, least %d, kept %v, aside %t, addends %t, wraps %t\n", r.Taken,
				r.Least, r.Kept, r.Aside, r.Addends, r.Wraps)
		}
		for _, z := range l.Zones {
			fmt.Fprintf(&text, "zone %s %q %d %q at %d,%d %d × %d side %t", z.ID, z.Label, z.Count, z.Text,
				z.X, z.Y, z.W, z.H, z.Side)
			if z.Offer != nil {
				fmt.Fprintf(&text, " offers %s", asJSON(t, z.Offer.Move))
			}
			text.WriteByte('\n')
		}
		alike := map[string][]string{}
		add := func(key, at string) { alike[key] = append(alike[key], at) }
		for _, d := range l.Decor {
			add(fmt.Sprintf("behind %s %q %s %d × %d", d.Kind, d.Text, d.Zone, d.W, d.H), fmt.Sprintf("%d,%d", d.X, d.Y))
		}
		for _, p := range l.Pieces {
			key := fmt.Sprintf("%s %q in %s part %d marks %d %d × %d", p.Drawing, p.Text, p.Zone, p.Part, p.Marks, p.W, p.H)
			add(key, fmt.Sprintf("%d,%d", p.X, p.Y))
		}
		for _, key := range slices.Sorted(maps.Keys(alike)) {
			fmt.Fprintf(&text, "%s: %s\n", key, strings.Join(alike[key], " "))
		}
		if lain[text.String()] {
			continue // as in another room
		}
		lain[text.String()] = true
		fmt.Fprintf(out, "## tight %t, below %t, across %t\n%s", room.Tight, room.Below, room.Across, text.String())
	}
}

// odd are values for a field that was another number: at the ends of what may be, and beyond.
var odd = []float64{-1, 0, 1, 2, 4, 5, 6, 10, 11, 12, 13, 20, 21, 25, 100, 101, 3000, 3001, 100000}

// What a file may say of a board, field by field: which of the odd values are taken, and why the others
// are not.
func TestWhatAFileMaySay(t *testing.T) {
	for _, spec := range board.Specs() {
		if spec.Kind == "tally" {
			continue
		}
		var out strings.Builder
		for _, text := range slices.Concat(spec.Examples, crowded[spec.Kind]) {
			b, err := board.Parse(text)
			require.NoError(t, err, text)
			var whole any
			require.NoError(t, json.Unmarshal([]byte(asJSON(t, b)), &whole))
			fmt.Fprintf(&out, "# %s\n", text)
			fields(whole, "", func(path string, set func(any)) {
				var taken []string
				faults := map[string][]string{}
				var said []string
				for _, value := range odd {
					set(value)
					var read board.Board
					if err := json.Unmarshal([]byte(asJSON(t, whole)), &read); err == nil {
						taken = append(taken, fmt.Sprint(value))
					} else {
						why := strings.ReplaceAll(err.Error(), fmt.Sprintf(" %v is not", value), " it is not")
						if faults[why] == nil {
							said = append(said, why)
						}
						faults[why] = append(faults[why], fmt.Sprint(value))
					}
				}
				fmt.Fprintf(&out, "%s may be %s\n", path, strings.Join(taken, ", "))
				for _, why := range said {
					fmt.Fprintf(&out, "  not %s: %s\n", strings.Join(faults[why], ", "), why)
				}
			})
		}
		proptest.WrittenDown(t, *update, filepath.Join("testdata/said", spec.Kind+".txt"), out.String())
	}
}

// fields goes through the numbers of a document, each of which can be set for as long as it is visited.
func fields(node any, path string, visit func(path string, set func(any))) {
	each := func(at string, was any, set func(any)) {
		if _, isNumber := was.(float64); isNumber {
			visit(at, set)
			set(was)
			return
		}
		fields(was, at, visit)
	}
	switch n := node.(type) {
	case map[string]any:
		for _, key := range slices.Sorted(maps.Keys(n)) {
			each(path+"."+key, n[key], func(v any) { n[key] = v })
		}
	case []any:
		for i := range n {
			each(fmt.Sprintf("%s[%d]", path, i), n[i], func(v any) { n[i] = v })
		}
	}
}

// Boards by chance, each after some moves by chance: how they lie and read, and what was said on
// the way, is written down as a digest.
func TestHowBoardsByChanceLie(t *testing.T) {
	var begun []string
	for _, spec := range board.Specs() {
		begun = append(append(begun, spec.Examples...), crowded[spec.Kind]...)
	}
	type talked struct {
		b    board.Board
		said string
	}
	boards := rapid.Custom(func(t *rapid.T) talked {
		b, err := board.Parse(rapid.SampledFrom(begun).Draw(t, "begun"))
		require.NoError(t, err)
		said := ""
		for range rapid.IntRange(2, 9).Draw(t, "moves") {
			next, effect, err := board.Apply(b, drawMove(t, b))
			if said += fmt.Sprintln(effect.Said.Text(say.Vocabulary{}), err); err == nil {
				b = next
			}
		}
		return talked{b, said}
	})
	var out strings.Builder
	for seed := range 1200 {
		made := boards.Example(seed)
		b := made.b
		fmt.Fprintf(&out, "%d: %s", seed, board.Print(b))
		for i, m := range b.Models {
			var lain strings.Builder
			lie(t, &lain, m)
			fmt.Fprintf(&lain, "%+v %s", b.ReadOuts(i, say.Vocabulary{}), made.said)
			digest := sha256.Sum256([]byte(lain.String()))
			fmt.Fprintf(&out, " %x", digest[:6])
		}
		out.WriteByte('\n')
	}
	proptest.WrittenDown(t, *update, "testdata/lie/by-chance.txt", out.String())
}
