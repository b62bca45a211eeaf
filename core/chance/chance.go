// Package chance throws dice, spins a spinner and draws number cards, to make
// numbers by place. The same seed gives the same throws.
package chance

import (
	"fmt"
	"slices"
)

// Kinds are what can be thrown: a die of six or ten sides (0 to 9), a spinner
// of the digits 0 to 9, and cards of the digits 0 to 9, drawn without return.
var Kinds = []string{"six", "ten", "spinner", "cards"}

// most is how many are thrown at once; a pack of cards has ten.
const most = 10

// Throw gives count digits. It fails on an unknown kind and on a count that is
// not from 1 to 10.
func Throw(kind string, count int, seed uint64) ([]int, error) {
	if !slices.Contains(Kinds, kind) {
		return nil, fmt.Errorf("kind: %q cannot be thrown. Use six, ten, spinner or cards", kind)
	}
	if count < 1 || count > most {
		return nil, fmt.Errorf("count: %d is not from 1 to %d", count, most)
	}
	draw := Source(seed)
	digits := make([]int, count)
	pack := []int{0, 1, 2, 3, 4, 5, 6, 7, 8, 9}
	for i := range digits {
		switch kind {
		case "six":
			digits[i] = 1 + draw(6)
		case "cards":
			at := draw(len(pack))
			digits[i] = pack[at]
			pack = slices.Delete(pack, at, at+1)
		default:
			digits[i] = draw(10)
		}
	}
	return digits, nil
}

// Source is a small generator of our own (splitmix), so that a seed means the
// same in the browser and natively. Every side is as likely as the others to
// one part in 2^60.
func Source(seed uint64) func(below int) int {
	return func(below int) int {
		seed += 0x9E3779B97F4A7C15
		z := seed
		z = (z ^ z>>30) * 0xBF58476D1CE4E5B9
		z = (z ^ z>>27) * 0x94D049BB133111EB
		return int((z ^ z>>31) % uint64(below))
	}
}
