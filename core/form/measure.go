package form

import "fmt"

// What a document of 8 MB may hold at most. Every lesson that can be saved is within
// it; what is made to be costly is told so before anything is read.
const (
	maxObjects = 200_000
	maxNumbers = 2_500_000
	maxStrings = 1_200_000
	maxDepth   = 60
)

// Measure goes through JSON once, without reading it, and refuses what would cost
// more to read than any lesson does.
func Measure(raw []byte) error {
	objects, numbers, strings, depth := 0, 0, 0, 0
	for i := 0; i < len(raw); i++ {
		switch c := raw[i]; {
		case c == '"':
			strings++
			for i++; i < len(raw) && raw[i] != '"'; i++ {
				if raw[i] == '\\' {
					i++
				}
			}
		case c == '{':
			objects++
			depth++
		case c == '[':
			depth++
		case c == '}' || c == ']':
			depth--
		case c >= '0' && c <= '9':
			numbers++
			for i+1 < len(raw) && raw[i+1] >= '0' && raw[i+1] <= '9' {
				i++
			}
		}
		if depth > maxDepth {
			return Fault{"file", fmt.Sprintf("at byte %d it is nested deeper than any lesson", i)}
		}
	}
	for _, count := range []struct {
		n, most int
		what    string
	}{{objects, maxObjects, "objects"}, {numbers, maxNumbers, "numbers"}, {strings, maxStrings, "texts"}} {
		if count.n > count.most {
			return Fault{"file", fmt.Sprintf("it holds %d %s; no lesson has more than %d", count.n, count.what, count.most)}
		}
	}
	return nil
}
