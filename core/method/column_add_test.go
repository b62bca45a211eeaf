package method_test

import (
	"encoding/json"
	"fmt"
	"math/big"
	"math/rand/v2"
	"runtime/debug"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/say"
	"unitbloom/internal/proptest"
)

// hardSums are the cases that go wrong by habit.
var hardSums = [][2]int{
	{0, 0}, {0, 7}, {7, 0}, {9999, 0}, {0, 9999}, {9998, 1}, {5000, 4999}, {1, 9}, {9, 1}, {5, 5},
	{99, 1}, {999, 1}, {1, 999}, {999, 999}, {4999, 4999}, {8999, 1000}, {1008, 92}, {406, 207}, {400, 600},
	{146, 87}, {4070, 30}, {909, 91}, {7, 1234}, {1234, 7}, {5555, 4444}, {95, 5}, {10, 90}, {999, 9000},
}

func additions() [][2]int {
	r := proptest.Random(1)
	sums := append([][2]int{}, hardSums...)
	for len(sums) < proptest.Cases() {
		sums = append(sums, drawSum(r))
	}
	return sums
}

// drawSum draws numbers of one to four digits each, sum up to 9,999.
func drawSum(r *rand.Rand) [2]int {
	for {
		a, b := r.IntN(pow10(1+r.IntN(4))), r.IntN(pow10(1+r.IntN(4)))
		if a+b <= 9999 {
			return [2]int{a, b}
		}
	}
}

func pow10(n int) int {
	p := 1
	for range n {
		p *= 10
	}
	return p
}

// schoolAddition is column addition as a child does it, digit by digit on text.
type schoolAddition struct {
	digits     string         // of the sum
	marks      map[int]string // by column from the right
	regrouping int
}

func addAtSchool(a, b string) schoolAddition {
	s := schoolAddition{marks: map[int]string{}}
	carry := 0
	for col := 0; col < max(len(a), len(b)) || carry > 0; col++ {
		d := digitAt(a, col) + digitAt(b, col) + carry
		s.digits = string(rune('0'+d%10)) + s.digits
		if carry = d / 10; carry > 0 {
			s.regrouping++
			s.marks[col+1] = "1"
		}
	}
	return s
}

func digitAt(s string, col int) int {
	if col >= len(s) {
		return 0
	}
	return int(s[len(s)-1-col] - '0')
}

func makeAdd(t testing.TB, a, b int, options map[string]string) method.Example {
	e, err := method.Make(method.Request{Method: "column-add", Args: []string{fmt.Sprint(a), fmt.Sprint(b)},
		Options: options})
	require.NoErrorf(t, err, "%d + %d", a, b)
	return e
}

func TestColumnAddAgreesWithSchoolArithmeticAtEveryStep(t *testing.T) {
	t.Parallel()
	for _, sum := range additions() {
		checkAddition(t, sum[0], sum[1])
		if t.Failed() {
			t.Fatalf("%d + %d", sum[0], sum[1])
		}
	}
}

func checkAddition(t *testing.T, a, b int) {
	e := makeAdd(t, a, b, nil)
	at, bt := fmt.Sprint(a), fmt.Sprint(b)
	school := addAtSchool(at, bt)
	exact := new(big.Int).Add(big.NewInt(int64(a)), big.NewInt(int64(b))).String()
	require.Equal(t, exact, strings.TrimLeft(school.digits[:len(school.digits)-1],
		"0")+school.digits[len(school.digits)-1:])
	assert.Equal(t, exact, e.Scene.Made.Answer)

	cells := map[string]string{}
	regrouped := 0
	now := e.Scene.Start
	for i, step := range e.Scene.Steps {
		for _, mv := range step.Moves {
			before := board.Total(now.Models[0])
			next, _, err := board.Apply(now, mv)
			require.NoError(t, err)
			if mv.Kind == "bundle" {
				regrouped++
				assert.Equal(t, before, board.Total(next.Models[0]), "bundling keeps the total")
			}
			now = next
		}
		collect(t, cells, step)
		total := wantTotal(a, b, i)
		assert.Equal(t, total, step.Total, "step %d", i)
		assert.Equal(t, total, board.Total(now.Models[0]).String(), "step %d", i)
		assert.Equal(t, now.Models[0].InPlay().String(), step.UnitForm)
		assert.False(t, !step.Ask.IsZero() && step.Say.Message.Has(say.Answer) || step.Ask.Message.Has(say.Answer),
			"step %d gives an answer away", i)
		checkProvenance(t, now, step)
	}
	assert.Equal(t, school.regrouping, regrouped)
	checkWritten(t, cells, at, bt, school)
}

// wantTotal is what the blocks come to: the first addend when it is built, both from
// then on.
func wantTotal(a, b, step int) string {
	return fmt.Sprint([]int{a, a + b}[min(step, 1)])
}

func collect(t *testing.T, cells map[string]string, step lesson.Step) {
	for _, w := range step.Write {
		if w.Kind != "cell" {
			continue
		}
		at := w.Row + " sign"
		if w.Place != nil {
			at = fmt.Sprintf("%s %d", w.Row, *w.Place)
		}
		_, twice := cells[at]
		assert.False(t, twice, "%s is written twice", at)
		cells[at] = w.Text
	}
}

func checkWritten(t *testing.T, cells map[string]string, a, b string, school schoolAddition) {
	want := map[string]string{"addend 2 sign": "+"}
	for row, text := range map[string]string{"addend 1": a, "addend 2": b, "sum": school.digits} {
		for col := range len(text) {
			want[fmt.Sprintf("%s %d", row, col)] = string(text[len(text)-1-col])
		}
	}
	for col, mark := range school.marks {
		want[fmt.Sprintf("mark %d", col)] = mark
	}
	// A sum is written in every column that an addend has, even where it is 0 + 0.
	assert.Equal(t, want, withoutBlanks(cells, want))
}

// withoutBlanks leaves out the column of tens that a one-digit problem shows
// and does not need.
func withoutBlanks(cells, want map[string]string) map[string]string {
	out := map[string]string{}
	for at, text := range cells {
		if _, asked := want[at]; asked || text != "" {
			out[at] = text
		}
	}
	return out
}

// checkProvenance holds every written digit to the number of pieces that it
// stands for.
func checkProvenance(t *testing.T, b board.Board, step lesson.Step) {
	spec, _ := board.SpecOf("blocks")
	for _, w := range step.Write {
		if w.Kind != "cell" || w.Text == "+" {
			continue
		}
		n := 0
		for _, sel := range w.Stands {
			n += len(spec.Find(b.Models[0], sel))
		}
		assert.Equalf(t, w.Text, fmt.Sprint(n), "%s %v stands for %d pieces", w.Row, w.Place, n)
	}
}

func TestColumnAddReplaysFromItsFile(t *testing.T) {
	for _, sum := range additions()[:min(60, proptest.Cases())] {
		e := makeAdd(t, sum[0], sum[1], map[string]string{"marks": "below", "style": "sketch"})
		body, err := json.Marshal(e.Scene)
		require.NoError(t, err)
		var scene lesson.Scene
		require.NoError(t, json.Unmarshal(body, &scene))
		end, done := scene.At(len(scene.Steps))
		require.Equal(t, len(scene.Steps), done)
		for i, o := range scene.Replay() {
			require.NoErrorf(t, o.Err, "step %d", i)
		}
		direct, err := json.Marshal(e.Plain().End)
		require.NoError(t, err)
		replayed, err := json.Marshal(end)
		require.NoError(t, err)
		assert.Equal(t, string(direct), string(replayed))
		again, err := json.Marshal(scene)
		require.NoError(t, err)
		assert.Equal(t, string(body), string(again))
	}
}

func TestColumnAddSpeaksInTheClassesWords(t *testing.T) {
	p := makeAdd(t, 146, 87, map[string]string{"regroup": "exchange", "ones": "units"}).Plain()
	text := ""
	for _, s := range p.Steps {
		text += s.Say + s.Ask + s.Answer + s.Look
		assert.NotContains(t, s.Say+s.Ask+s.Answer+s.Look, "{")
	}
	assert.Contains(t, text, "Exchange them for a ten.")
	assert.NotContains(t, text, "undle")
	assert.NotContains(t, strings.ReplaceAll(text, "none", ""), "ones")
}

func TestColumnAddRefusesWhatDoesNotFit(t *testing.T) {
	for _, c := range []struct {
		request method.Request
		says    string
	}{
		{method.Request{Args: []string{"9999", "1"}, Model: "blocks"},
			"9999 and 1 make more than 9999, the most that is shown here."},
		{method.Request{Args: []string{"9999999", "9999999"}, Model: "discs"},
			"9999999 and 9999999 make more than 9999999, the most that is shown here."},
		{method.Request{Args: []string{"1.5", "2"}, Model: "blocks"},
			"1.5 does not fit here. Whole numbers to 9999 fit on the base-ten blocks."},
		{method.Request{Args: []string{"146"}}, "A column addition needs two to four numbers, like 146 and 87."},
		{method.Request{Args: []string{"146", "many"}}, `“many” is not a number. Write digits, like 146 or 3.05.`},
		{method.Request{Args: []string{"1", "2"}, Model: "rack"},
			"“Column addition” is shown with blocks and discs. “rack” is none of them."},
		{method.Request{Args: []string{"1", "2"}, Options: map[string]string{"marks": "left"}},
			"Marks cannot be left. Use above, below."},
	} {
		c.request.Method = "column-add"
		_, err := method.Make(c.request)
		require.Error(t, err)
		assert.Equal(t, c.says, err.Error())
	}
	_, err := method.Make(method.Request{Method: "column-adds"})
	require.EqualError(t, err, "There is no method called column-adds.")
}

func TestTypedProblems(t *testing.T) {
	for _, typed := range []string{"146 + 87", "146+87", " 146 +87 ", "146+87=", "146 + 87 = "} {
		r, err := method.Typed("", typed)
		require.NoError(t, err)
		e, err := method.Make(r)
		require.NoError(t, err)
		assert.Equal(t, "146 + 87", e.Plain().Problem)
	}
	for typed, id := range map[string]string{
		"4 002 - 1 567": "column-subtract", "96 ÷ 4": "share", "3.05 × 10": "shift", "640 / 100": "shift",
		"? + 7 = 15": "unknown", "7 x 6": "array", "146": "build", "1 + 2 + 3": "column-add",
		"24 × 3": "short-multiply", "3 x 24": "short-multiply", "30 × 4": "unit-fact", "0.3 × 4": "unit-fact",
		"12 × 12": "array",
		"126 * 4": "short-multiply", "300 × 40": "unit-fact",
	} {
		r, err := method.Typed("", typed)
		require.NoError(t, err)
		assert.Equal(t, id, r.Method, typed)
		_, err = method.Make(r)
		require.NoError(t, err, typed)
	}
}

// A random edit of a step either leaves every later step right, or the first
// that no longer fits says so; nothing is dropped.
func TestEditingAStepNeverBreaksLaterOnesSilently(t *testing.T) {
	r := proptest.Random(2)
	for range proptest.Cases() / 3 {
		sum := drawSum(r)
		sc := makeAdd(t, sum[0], sum[1], nil).Scene
		sc.Steps = append([]lesson.Step{}, sc.Steps...)
		at := r.IntN(len(sc.Steps))
		step := sc.Steps[at]
		step.Moves = mangle(r, step.Moves)
		sc.Steps[at] = step
		outcomes := sc.Replay()
		require.Len(t, outcomes, len(sc.Steps))
		b := sc.Start
		for i, s := range sc.Steps {
			next, err := board.ApplyAll(b, s.Moves)
			right := err == nil && board.Total(next.Models[0]).String() == s.Total &&
				next.Models[0].InPlay().String() == s.UnitForm
			if outcomes[i].Err != nil {
				require.False(t, right && i == firstBad(outcomes), "a step that fits was marked")
				break
			}
			require.Truef(t, right, "step %d of %v is wrong and says nothing", i, sum)
			b = next
		}
	}
}

func firstBad(outcomes []lesson.Outcome) int {
	for i, o := range outcomes {
		if o.Err != nil {
			return i
		}
	}
	return -1
}

// mangle drops, doubles or swaps moves.
func mangle(r *rand.Rand, moves []board.Move) []board.Move {
	out := append([]board.Move{}, moves...)
	if len(out) == 0 {
		return append(out, board.Move{Kind: "bundle", Args: nil})
	}
	i := r.IntN(len(out))
	switch r.IntN(3) {
	case 0:
		return append(out[:i], out[i+1:]...)
	case 1:
		return append(out, out[i])
	}
	j := r.IntN(len(out))
	out[i], out[j] = out[j], out[i]
	return out
}

func TestEveryOptionWorks(t *testing.T) {
	t.Parallel()
	for _, spec := range method.Specs() {
		for _, o := range spec.AllOptions() {
			for _, choice := range o.Choices {
				for _, m := range append([]string{""}, spec.Kinds()...) {
					e, err := method.Make(method.Request{Method: spec.ID, Args: spec.Sample, Model: m,
						Options: map[string]string{o.Name: choice}})
					if m != "" && err != nil {
						continue // the sample may not fit on every model; it does on the first that fits
					}
					if o.Name == "use" && err != nil {
						continue // a unit that is not ten times another says so
					}
					if o.Name == "way" && err != nil || o.Name == "remainder" && m == "discs" && err != nil {
						continue // a way that does not fit the sample says so
					}
					require.NoError(t, err, "%s %s=%s", spec.ID, o.Name, choice)
					for _, s := range e.Plain().Steps {
						require.NotContains(t, s.Say+s.Ask+s.Answer+s.Look, "{")
					}
				}
			}
		}
	}
}

// BenchmarkColumnAdd makes four-digit additions that regroup in every column,
// and tells the 95th of a hundred beside the mean.
func BenchmarkColumnAdd(b *testing.B) {
	timed(b, method.Request{Method: "column-add", Args: []string{"4678", "3987"}})
}

// BenchmarkLargestShare shares seven digits, opening a rest at every place.
func BenchmarkLargestShare(b *testing.B) {
	timed(b, method.Request{Method: "share", Args: []string{"9999999", "7"}})
}

// BenchmarkOneByOne builds seven digits one disc at a time.
func BenchmarkOneByOne(b *testing.B) {
	timed(b, method.Request{Method: "column-add", Args: []string{"4999999", "4999999"}, Model: "discs",
		Options: map[string]string{"pace": "one by one"}})
}

func timed(b *testing.B, r method.Request) {
	defer debug.SetGCPercent(debug.SetGCPercent(400)) // as the command has it for many
	var took []time.Duration
	for b.Loop() {
		start := time.Now()
		_, err := method.Make(r)
		require.NoError(b, err)
		took = append(took, time.Since(start))
	}
	slices.Sort(took)
	b.ReportMetric(float64(took[len(took)*95/100].Microseconds())/1000, "p95-ms")
}
