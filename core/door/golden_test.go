package door_test

import (
	"bufio"
	"bytes"
	"encoding/json"
	"flag"
	"fmt"
	"os"
	"testing"

	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/door"
	"unitbloom/core/lesson"
	"unitbloom/internal/proptest"
)

// The golden corpus is a list of calls of one door with their answers. This test
// holds the native door to it byte by byte; web/src/core/golden.test.ts does the
// same to the module in a browser's engine.
var update = flag.Bool("update", false, "write the golden corpus anew")

const golden = "testdata/golden.jsonl"

type goldenCall struct {
	Op  string          `json:"op"`
	Arg json.RawMessage `json:"arg"`
	Out json.RawMessage `json:"out,omitempty"`
}

func TestGoldenCorpus(t *testing.T) {
	calls := goldenCalls(t)
	d := door.New()
	var out bytes.Buffer
	for i := range calls {
		calls[i].Out = d.Call(calls[i].Op, calls[i].Arg)
		line, err := json.Marshal(calls[i])
		require.NoError(t, err)
		out.Write(append(line, '\n'))
	}
	if *update {
		require.NoError(t, os.WriteFile(golden, out.Bytes(), 0o644))
	}
	want, err := os.ReadFile(golden)
	require.NoError(t, err)
	got := bufio.NewScanner(&out)
	got.Buffer(nil, 1<<24)
	for n, line := range bytes.Split(bytes.TrimSpace(want), []byte("\n")) {
		require.True(t, got.Scan())
		require.Equalf(t, string(line), got.Text(), "line %d; if this is meant, run go test ./core/door -update", n+1)
	}
	require.False(t, got.Scan(), "there are more calls than lines")
}

// goldenCalls makes the calls: every move of the registry on its own board, a
// walk through an example, refusals, and a long random game.
func goldenCalls(t *testing.T) []goldenCall {
	var calls []goldenCall
	handle := 0
	call := func(op string, arg any) {
		body, err := json.Marshal(arg)
		require.NoError(t, err)
		calls = append(calls, goldenCall{Op: op, Arg: body})
	}
	on := func(op string, more string) {
		calls = append(calls, goldenCall{Op: op, Arg: fmt.Appendf(nil, `{"handle":%d%s}`, handle, more)})
	}
	open := func(text string) {
		b, err := board.Parse(text)
		require.NoError(t, err)
		handle++
		call("open", map[string]any{"lesson": lesson.Lesson{
			Format: 1, ID: "x", Title: "Corpus",
			Scenes: []lesson.Scene{{ID: "a", Title: "A", Start: b, Show: []string{"numeral", "unitForm", "rows"}}},
		}})
		on("show", `,"scene":"a","step":0,"asked":false,"present":false`)
	}
	for _, spec := range board.Specs() {
		for _, mv := range append(spec.Moves, board.BoardMoves()...) {
			open(mv.Board)
			for _, before := range mv.Before {
				body, err := json.Marshal(before)
				require.NoError(t, err)
				on("apply", `,"move":`+string(body))
			}
			body, err := json.Marshal(board.Move{Kind: mv.Kind, Args: mv.Example})
			require.NoError(t, err)
			on("apply", `,"move":`+string(body))
			on("undo", "")
			on("redo", "")
		}
	}
	raw, err := os.ReadFile("../../testdata/format/v1/two-deliveries.json")
	require.NoError(t, err)
	handle++
	calls = append(calls, goldenCall{Op: "open", Arg: fmt.Appendf(nil, `{"lesson":%s}`, compact(t, raw))})
	for step := range 10 {
		on("show", fmt.Sprintf(`,"scene":"both","step":%d,"asked":false,"present":true`, step))
	}
	on("document", "")
	for _, text := range []string{"146", "4070", "3.05", "9999999.999", "x"} {
		call("read", map[string]string{"text": text})
	}
	for _, typed := range []string{"146 + 87", "999 + 1", "9999 + 1", "0 + 0", "1 +"} {
		call("preview", map[string]string{"typed": typed})
	}
	randomGame(open, on)
	return calls
}

func randomGame(open func(string), on func(op, more string)) {
	r := proptest.Random(3)
	open("blocks 2h 13t 27o | rack 3: 4 0 10")
	places := []string{"ones", "tens", "hundreds", "thousands"}
	for range 120 {
		p, n := places[r.IntN(4)], r.IntN(12)
		on("apply", `,"move":`+[]string{
			fmt.Sprintf(`{"kind":"bundle","place":%q,"trace":%t}`, p, n%2 == 0),
			fmt.Sprintf(`{"kind":"unbundle","place":%q}`, p),
			fmt.Sprintf(`{"kind":"place","amount":"%d %s","part":%d}`, n, p, n%3),
			fmt.Sprintf(`{"kind":"take","pieces":[{"place":%q,"count":%d}]}`, p, n),
			fmt.Sprintf(`{"kind":"cross","pieces":[{"place":%q,"slots":[%d]}]}`, p, n),
			fmt.Sprintf(`{"kind":"restore","pieces":[{"place":%q,"state":"taken"}]}`, p),
			fmt.Sprintf(`{"kind":"join","place":%q}`, p),
			fmt.Sprintf(`{"kind":"slide","model":1,"rows":[{"row":%d,"to":%d}]}`, n%4, n),
			`{"kind":"tidy"}`,
			fmt.Sprintf(`{"kind":"cover","zone":%q}`, p),
			`{"kind":"uncover","zone":""}`,
			`{"kind":"view","view":"mat"}`,
			`{"kind":"view","view":"columns"}`,
		}[r.IntN(13)])
		if n == 0 {
			on("undo", "")
		}
	}
}

func compact(t *testing.T, raw []byte) []byte {
	var b bytes.Buffer
	require.NoError(t, json.Compact(&b, raw))
	return b.Bytes()
}
