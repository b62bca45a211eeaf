// Package proptest runs properties over random cases: a few hundred as a rule,
// as many as UNITBLOOM_CASES says in a long run.
package proptest

import (
	"flag"
	"math/rand/v2"
	"os"
	"strconv"
	"sync"
	"testing"

	"pgregory.net/rapid"
)

const usual = 300

// Cases is how many cases a property is tried on.
func Cases() int {
	if n, err := strconv.Atoi(os.Getenv("UNITBLOOM_CASES")); err == nil && n > 0 {
		return n
	}
	return usual
}

// setChecks is done once: tests run side by side.
var setChecks = sync.OnceFunc(func() {
	if err := flag.Set("rapid.checks", strconv.Itoa(Cases())); err != nil {
		panic(err)
	}
})

// Check tries the property on Cases random cases, and shrinks one that fails.
func Check(t *testing.T, property func(*rapid.T)) {
	t.Helper()
	setChecks()
	rapid.Check(t, property)
}

// Random is a source that gives the same numbers in every run.
func Random(seed uint64) *rand.Rand { return rand.New(rand.NewPCG(seed, 20261124)) }
