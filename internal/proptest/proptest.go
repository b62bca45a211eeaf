// Package proptest runs properties over random cases: a few hundred as a rule,
// as many as UNITBLOOM_CASES says in a long run.
package proptest

import (
	"flag"
	"math/rand/v2"
	"os"
	"strconv"
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

// Check tries the property on Cases random cases, and shrinks one that fails.
func Check(t *testing.T, property func(*rapid.T)) {
	t.Helper()
	CheckUpTo(t, Cases(), property)
}

// CheckUpTo is Check on fewer cases, for a property that takes long. Tests that use
// it do not run side by side: the number of cases is one for the whole process.
func CheckUpTo(t *testing.T, most int, property func(*rapid.T)) {
	t.Helper()
	if os.Getenv("UNITBLOOM_MUTANT") != "" {
		// What a change to the rules makes fail is no failure to keep.
		_ = flag.Set("rapid.nofailfile", "true")
	}
	if err := flag.Set("rapid.checks", strconv.Itoa(min(most, Cases()))); err != nil {
		panic(err)
	}
	rapid.Check(t, property)
}

// Random is a source that gives the same numbers in every run.
func Random(seed uint64) *rand.Rand { return rand.New(rand.NewPCG(seed, 20261124)) }
