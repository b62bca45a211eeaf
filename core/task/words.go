package task

import (
	"slices"
	"strings"

	"unitbloom/core/place"
)

// numberWords are those that number names are made of.
var numberWords = wordsOf(0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20, 30, 40, 50, 60, 70,
	80,
	90, 100, 1000, 1_000_000)

func wordsOf(numbers ...int) []string {
	words := []string{"point"}
	for _, n := range numbers {
		for _, word := range strings.Fields(place.Int(n).Words(false)) {
			if !slices.Contains(words, word) {
				words = append(words, word)
			}
		}
	}
	return words
}

// saysInWords reports whether words say a number. "And" is said or not, words are joined or
// not, and a slip of spelling is forgiven where only one word can be meant.
func saysInWords(text string, n place.Number) bool {
	said, ok := meant(text)
	want, _ := meant(n.Words(false))
	return ok && slices.Equal(said, want)
}

// meant are the number words that a text means.
func meant(text string) (words []string, ok bool) {
	text = strings.NewReplacer("-", " ", ",", " ", ".", " ").Replace(strings.ToLower(text))
	for _, word := range strings.Fields(text) {
		if word == "and" {
			continue
		}
		nearest := nearestWord(word)
		if nearest == "" {
			return nil, false
		}
		words = append(words, nearest)
	}
	return words, len(words) > 0
}

// nearestWord is the number word that a word means: itself, or the only one that is a slip
// away; nothing where none or two could be meant.
func nearestWord(word string) string {
	if slices.Contains(numberWords, word) {
		return word
	}
	nearest, least, twice := "", 3, false
	for _, known := range numberWords {
		if len(known) < 4 {
			continue // in the shortest words any letter makes another
		}
		switch d := slipsBetween(word, known); {
		case d > 1 && len(known) < 6:
		case d < least:
			nearest, least, twice = known, d, false
		case d == least:
			twice = true
		}
	}
	if twice {
		return ""
	}
	return nearest
}

// slipsBetween is how many letters are added, left out, changed, or swapped with their
// neighbour between two words.
func slipsBetween(a, b string) int {
	rows := make([][]int, len(a)+1)
	for i := range rows {
		rows[i] = make([]int, len(b)+1)
		rows[i][0] = i
	}
	for j := range rows[0] {
		rows[0][j] = j
	}
	for i := 1; i <= len(a); i++ {
		for j := 1; j <= len(b); j++ {
			cost := 1
			if a[i-1] == b[j-1] {
				cost = 0
			}
			rows[i][j] = min(rows[i-1][j]+1, rows[i][j-1]+1, rows[i-1][j-1]+cost)
			if i > 1 && j > 1 && a[i-1] == b[j-2] && a[i-2] == b[j-1] {
				rows[i][j] = min(rows[i][j], rows[i-2][j-2]+1)
			}
		}
	}
	return rows[len(a)][len(b)]
}
