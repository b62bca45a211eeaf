package task_test

import (
	"fmt"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"pgregory.net/rapid"

	"unitbloom/core/task"
	"unitbloom/internal/proptest"
)

// mostCases is how many answers are tried: each makes a worked example.
const mostCases = 300

func number(r *rapid.T, from, to int) int { return rapid.IntRange(from, to).Draw(r, "number") }

// Answers at random are right only where plain arithmetic says so.

func TestBuildAgreesWithArithmetic(t *testing.T) {
	proptest.CheckUpTo(t, mostCases, func(r *rapid.T) {
		n := number(r, 1, 999)
		h, tens := number(r, 0, n/100), 0
		if rest := n - 100*h; rest > 0 {
			tens = number(r, 0, rest/10)
		}
		ones := n - 100*h - 10*tens
		shown := n
		if rapid.Bool().Draw(r, "so") { // one piece more or fewer
			ones++
			shown++
		}
		v := marked(t, made(t, "build", nil, strconv.Itoa(n)),
			task.Answer{"board": fmt.Sprintf("blocks %dh %dt %do", h, tens, ones)})
		assert.Equal(t, shown == n, v.Right, "%d as %dh %dt %do", n, h, tens, ones)
	})
}

func TestFillAgreesWithArithmetic(t *testing.T) {
	proptest.CheckUpTo(t, mostCases, func(r *rapid.T) {
		a, b, by := number(r, 0, 200-1), number(r, 0, 200-1), 1+number(r, 0, 9-1)
		given := number(r, 0, 420-1)
		if rapid.Bool().Draw(r, "so") {
			given = a + b
		}
		v := marked(t, made(t, "fill", nil, fmt.Sprintf("%d + %d = □", a, b)), task.Answer{"1": strconv.Itoa(given)})
		assert.Equal(t, given == a+b, v.Right, "%d + %d = %d", a, b, given)

		x, y := number(r, 0, 30-1), number(r, 0, 30-1)
		v = marked(t, made(t, "fill", nil, fmt.Sprintf("bond %d: □ □", x+y+by)),
			task.Answer{"1": strconv.Itoa(x), "2": strconv.Itoa(y + by)})
		assert.True(t, v.Right)
		v = marked(t, made(t, "fill", nil, fmt.Sprintf("bond %d: □ □", x+y+by)),
			task.Answer{"1": strconv.Itoa(x), "2": strconv.Itoa(y)})
		assert.False(t, v.Right)

		q, left := number(r, 0, 40-1), number(r, 0, 12-1)
		v = marked(t, made(t, "fill", nil, fmt.Sprintf("%d ÷ %d = □ r □", a, by)),
			task.Answer{"1": strconv.Itoa(q), "2": strconv.Itoa(left)})
		assert.Equal(t, q == a/by && left == a%by, v.Right, "%d ÷ %d = %d r %d", a, by, q, left)

		tens, ones := number(r, 0, 12-1), number(r, 0, 30-1)
		v = marked(t, made(t, "fill", nil, fmt.Sprintf("table number | tens | ones; %d | □ | □", a)),
			task.Answer{"1": strconv.Itoa(tens), "2": strconv.Itoa(ones)})
		assert.Equal(t, 10*tens+ones == a, v.Right, "%d as %d tens %d ones", a, tens, ones)
	})
}

func TestColumnAgreesWithArithmetic(t *testing.T) {
	places := []string{"ones", "tens", "hundreds", "thousands"}
	proptest.CheckUpTo(t, mostCases, func(r *rapid.T) {
		a, b := 1+number(r, 0, 999-1), 1+number(r, 0, 999-1)
		sign, right := "+", a+b
		if rapid.Bool().Draw(r, "so") {
			a, b = max(a, b), min(a, b)
			sign, right = "−", a-b
		}
		digits := strings.Split(fmt.Sprint(right), "")
		if at := number(r, 0, len(digits)-1); rapid.Bool().Draw(r, "so") {
			digits[at] = strconv.Itoa(number(r, 0, 10-1))
		}
		answer := task.Answer{}
		for i, d := range digits {
			answer["sum "+places[len(digits)-1-i]] = d
		}
		given, err := strconv.Atoi(strings.Join(digits, ""))
		require.NoError(t, err)
		v := marked(t, made(t, "column", nil, fmt.Sprintf("%d %s %d", a, sign, b)), answer)
		assert.Equal(t, given == right, v.Right, "%d %s %d = %d", a, sign, b, given)
	})
}
