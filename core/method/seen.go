package method

import (
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/model/pieces"
	"unitbloom/core/say"
)

// seenOption is what children saw, in their own words; several ways are parted
// by semicolons.
var seenOption = Option{Name: "seen", Doc: "What children saw, like 8 and 2 more and 3; two fives and 3. Several ways are parted by semicolons."}

// numberWords are the numbers that children say.
var numberWords = map[string]int{
	"zero": 0, "one": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6, "seven": 7, "eight": 8, "nine": 9, "ten": 10,
	"eleven": 11, "twelve": 12, "thirteen": 13, "fourteen": 14, "fifteen": 15, "sixteen": 16, "seventeen": 17, "eighteen": 18, "nineteen": 19, "twenty": 20,
	"ones": 1, "twos": 2, "threes": 3, "fours": 4, "fives": 5, "sixes": 6, "sevens": 7, "eights": 8, "nines": 9, "tens": 10,
}

// readSeen reads "8 and 2 more" as 8 and 2, and "two fives and 3" as 5, 5 and 3.
func readSeen(text string) ([]int, error) {
	var parts []int
	words := strings.FieldsFunc(strings.ToLower(text), func(r rune) bool { return strings.ContainsRune(" ,+", r) })
	for i := 0; i < len(words); i++ {
		switch w := words[i]; w {
		case "and", "more", "then", "plus", "a", "i", "see", "saw":
		default:
			n, ok := seenNumber(w)
			if !ok {
				return nil, say.Refuse("seen-words", say.Text("text", say.Given, w))
			}
			times := 1
			if i+1 < len(words) && strings.HasSuffix(words[i+1], "s") {
				if each, plural := numberWords[words[i+1]]; plural {
					times, n = n, each
					i++
				}
			}
			for range times {
				parts = append(parts, n)
			}
		}
	}
	if len(parts) < 2 || len(parts) > 12 {
		return nil, say.Refuse("seen-parts", say.Text("text", say.Given, strings.TrimSpace(text)))
	}
	return parts, nil
}

func seenNumber(w string) (int, bool) {
	if n, err := strconv.Atoi(w); err == nil && n >= 0 && n <= 144 {
		return n, true
	}
	n, ok := numberWords[w]
	return n, ok
}

// seen adds a step for each way that children saw the total: it is held against
// what is there, its first part is ringed where pieces can be, and the split is
// written. Several ways stand together.
func (m *maker) seen(total int) error {
	for _, text := range strings.Split(m.r.Options["seen"], ";") {
		if strings.TrimSpace(text) == "" {
			continue
		}
		parts, err := readSeen(text)
		if err != nil {
			return err
		}
		if n := sumOf(parts); n != total {
			return say.Refuse("seen-total", say.Text("text", say.Given, strings.TrimSpace(text)), given("n", n), given("total", total))
		}
		texts := make([]string, len(parts))
		for i, p := range parts {
			texts[i] = strconv.Itoa(p)
		}
		s := lesson.Step{
			Say: line("seen.say", say.Text("seen", say.Part, strings.TrimSpace(text))), Ask: line("seen.ask"),
			Answer: line("seen.answer", answerText("parts", strings.Join(texts, ", ")), answer("total", total)),
			Write:  []lesson.Write{bond(total, parts...), m.sentence(strings.Join(texts, " + "), strconv.Itoa(total))},
		}
		if m.now.Models[0].Kind() == "counters" && parts[0] > 0 {
			slots := make([]int, parts[0])
			for i := range slots {
				slots[i] = i
			}
			s.Moves = []board.Move{{Kind: "ring", Args: pieces.PiecesArgs{Pieces: []board.Select{{Slots: slots}}}}}
		}
		m.key(s)
	}
	return nil
}
