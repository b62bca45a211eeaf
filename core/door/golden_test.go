package door_test

import (
	"bytes"
	"encoding/json"
	"flag"
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/door"
	"unitbloom/core/form"
	"unitbloom/core/lesson"
	"unitbloom/internal/tally"
)

// The golden files are calls of one door each, with their answers, named for what
// they show. This test holds the native door to them byte by byte;
// web/src/core/golden.test.ts does the same to the module in a browser's engine.
// Another move adds a file and changes none.
var update = flag.Bool("update", false, "write the golden files anew")

const golden = "testdata/golden"

// shipped are the models that browsers have; the tally comes after them.
var shipped = board.Specs()

func init() {
	spec := tally.Spec()
	spec.Moves = append(spec.Moves, tally.Break())
	board.Use(spec)
}

type goldenCall struct {
	Op  string          `json:"op"`
	Arg json.RawMessage `json:"arg"`
	Out json.RawMessage `json:"out"`
}

// script is one golden file in the making: the calls of one door with one handle.
type script struct {
	t     *testing.T
	calls []goldenCall
}

func (s *script) call(op string, arg any) {
	body, err := json.Marshal(arg)
	require.NoError(s.t, err)
	s.calls = append(s.calls, goldenCall{Op: op, Arg: body})
}

func (s *script) on(op, more string) {
	s.calls = append(s.calls, goldenCall{Op: op, Arg: fmt.Appendf(nil, `{"handle":1%s}`, more)})
}

func (s *script) open(b board.Board) {
	s.call("open", map[string]any{"lesson": lesson.Lesson{
		Format: lesson.Format, ID: "x", Title: "Corpus",
		Scenes: []lesson.Scene{{ID: "a", Title: "A", Start: b, Show: []string{"numeral", "unitForm", "rows"}}},
	}})
	s.on("show", `,"scene":"a","step":0`)
}

func TestGoldenFiles(t *testing.T) {
	want := map[string]bool{}
	for name, s := range scripts(t) {
		want[name] = true
		t.Run(name, func(t *testing.T) {
			path := filepath.Join(golden, name+".jsonl")
			d := door.New()
			var got bytes.Buffer
			for _, c := range s.calls {
				c.Out = d.Call(c.Op, c.Arg)
				line, err := form.JSON(c) // as it is said, and not as the library escapes it
				require.NoError(t, err)
				got.Write(append(line, '\n'))
			}
			if *update {
				require.NoError(t, os.MkdirAll(filepath.Dir(path), 0o755))
				require.NoError(t, os.WriteFile(path, got.Bytes(), 0o644))
			}
			held, err := os.ReadFile(path)
			require.NoErrorf(t, err, "if %s is new, run go test ./core/door -update", name)
			lines, now := strings.Split(string(held), "\n"), strings.Split(got.String(), "\n")
			require.Len(t, now, len(lines))
			for n := range lines {
				if lines[n] != now[n] {
					require.Failf(t, "another answer", "%s, line %d, differs %s; if this is meant, run go test ./core/door -update",
						path, n+1, difference(lines[n], now[n]))
				}
			}
		})
	}
	require.NoError(t, filepath.WalkDir(golden, func(path string, entry os.DirEntry, err error) error {
		name, isFile := strings.CutSuffix(strings.TrimPrefix(filepath.ToSlash(path), golden+"/"), ".jsonl")
		if isFile && !want[name] {
			require.True(t, *update, "%s is no test's any more", path)
			return os.Remove(path)
		}
		return err
	}))
}

// difference is a little of two lines about where they part.
func difference(a, b string) string {
	at := 0
	for at < len(a) && at < len(b) && a[at] == b[at] {
		at++
	}
	cut := func(s string) string { return s[max(0, min(len(s), at-40)):min(len(s), at+60)] }
	return fmt.Sprintf("at byte %d: %q became %q", at, cut(a), cut(b))
}

// scripts are the files: every move of the registry on its own board, the moves
// that any board has, a walk through an example, numbers, refusals and covers.
func scripts(t *testing.T) map[string]*script {
	all := map[string]*script{}
	start := func(name string) *script {
		s := &script{t: t}
		all[name] = s
		return s
	}
	move := func(name string, mv board.MoveSpec) {
		s := start(name)
		b, err := board.Parse(mv.Board)
		require.NoError(t, err)
		s.open(b)
		for _, before := range mv.Before {
			s.call("apply", map[string]any{"handle": 1, "move": before})
		}
		s.call("apply", map[string]any{"handle": 1, "move": board.Move{Kind: mv.Kind, Args: mv.Example}})
		s.on("undo", "")
		s.on("redo", "")
	}
	for _, spec := range shipped {
		for _, mv := range spec.Moves {
			move(spec.Kind+"/"+mv.Kind, mv)
		}
	}
	for _, mv := range board.BoardMoves() {
		move("board/"+mv.Kind, mv)
	}
	walk := start("lesson/walk")
	raw, err := os.ReadFile("../../testdata/format/v1/two-deliveries.json")
	require.NoError(t, err)
	walk.calls = append(walk.calls, goldenCall{Op: "open", Arg: fmt.Appendf(nil, `{"lesson":%s}`, compact(t, raw))})
	for step := range 10 {
		walk.on("show", fmt.Sprintf(`,"scene":"both","step":%d,"present":true`, step))
	}
	walk.on("document", "")
	for _, text := range []string{"146", "4070", "3.05", "9999999.999", "x"} {
		start("read/"+text).call("read", map[string]string{"text": text})
	}
	for name, typed := range map[string]string{"regroups": "146 + 87", "crosses": "999 + 1", "too-large": "9999 + 1",
		"zeros": "0 + 0", "half": "1 +"} {
		s := start("preview/" + name)
		blocks, err := board.Parse("blocks 0")
		require.NoError(t, err)
		s.open(blocks)
		s.on("preview", fmt.Sprintf(`,"typed":%q`, typed))
	}
	for name, c := range map[string][2]string{
		"too-few": {"blocks 6o", `{"kind":"bundle","place":"ones"}`}, "too-large": {"discs 9m",
			`{"kind":"place","amount":"9 millions"}`},
		"no-field": {"rack 2: 6 8", `{"kind":"slide","beads":3}`}, "rack-full": {"rack 2: 6 8",
			`{"kind":"build","amount":"21"}`},
	} {
		s := start("refusal/" + name)
		b, err := board.Parse(c[0])
		require.NoError(t, err)
		s.open(b)
		s.on("apply", `,"move":`+c[1])
	}
	covered := start("cover/ones")
	b, err := board.Parse("blocks 2t 7o | rack 2: 6 8")
	require.NoError(t, err)
	covered.open(b)
	for _, mv := range []string{
		`{"kind":"cover","zone":"ones"}`, `{"kind":"bundle","place":"ones"}`, `{"kind":"place","amount":"1 ten"}`,
		`{"kind":"take","pieces":[{"place":"ones","count":2}]}`, `{"kind":"cover","model":1,"zone":"row 1 right"}`,
	} {
		covered.on("apply", `,"move":`+mv)
	}
	covered.on("look", `,"model":0`)
	covered.on("selection", `,"model":0,"ids":[1,2,3]`)
	return all
}

func compact(t *testing.T, raw []byte) []byte {
	var b bytes.Buffer
	require.NoError(t, json.Compact(&b, raw))
	return b.Bytes()
}
