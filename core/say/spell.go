package say

import (
	"fmt"
	"slices"
	"strings"
)

// NumberForms are the choices for Vocabulary.Numbers, the default first: each is the
// same number as a class writes it, with its grouping of thousands and its point.
var NumberForms = []string{"4002.5", "4,002.5", "4 002.5", "4002,5", "4 002,5"}

// AndForms are the choices for Vocabulary.And, the default first: whether "and" is said
// after the hundreds.
var AndForms = []string{"one hundred and six", "one hundred six"}

// noBreak keeps the groups of a number on one line.
const noBreak = "\u00a0"

// marks are the class's sign between groups of three digits, if any, and its point.
func (w Vocabulary) marks() (group, point string) {
	point = "."
	if strings.HasSuffix(w.Numbers, ",5") {
		point = ","
	}
	switch {
	case strings.HasPrefix(w.Numbers, "4,"):
		group = ","
	case strings.HasPrefix(w.Numbers, "4 "):
		group = noBreak
	}
	return group, point
}

// Point is the sign after the ones.
func (w Vocabulary) Point() string {
	_, point := w.marks()
	return point
}

// pointName is what the class calls that sign.
func (w Vocabulary) pointName() string {
	if w.Point() == "," {
		return "comma"
	}
	return "point"
}

// Spells reports whether the class writes numbers otherwise than the core does.
func (w Vocabulary) Spells() bool { return w.Numbers != "" && w.Numbers != NumberForms[0] }

// Spell is a text of the core as the class writes and reads it: its numbers grouped and
// pointed, counts of ones as it calls them, "and" said or not, its own money. A text that is spelled already stays so.
func (w Vocabulary) Spell(text string) string {
	if w.Money != "" {
		text = w.ownMoney(text)
	}
	if w.Ones == "units" && strings.Contains(text, " one") {
		text = ownOnes(text)
	}
	if w.And == AndForms[1] && !strings.Contains(text, "dth") {
		text = strings.NewReplacer("hundred and ", "hundred ", "thousand and ", "thousand ", "million and ",
			"million ").Replace(text)
	}
	if !w.Spells() {
		return text
	}
	group, point := w.marks()
	if point == "," {
		text = strings.ReplaceAll(text, " point ", " comma ") // of a number in words
	}
	return eachNumber(text, func(b *strings.Builder, i, end int) int {
		grouped(b, text[i:end], group)
		if more := digitsFrom(text, end+1); end < len(text) && text[end] == '.' && more > end+1 {
			b.WriteString(point)
			b.WriteString(text[end+1 : more])
			return more
		}
		return end
	})
}

// eachNumber is a text with its numbers written anew: rewrite writes the one whose first
// digits stand from i to end, and gives where it ends.
func eachNumber(text string, rewrite func(b *strings.Builder, i, end int) int) string {
	var b strings.Builder
	for i := 0; i < len(text); {
		if end := digitsFrom(text, i); end > i {
			i = rewrite(&b, i, end)
			continue
		}
		b.WriteByte(text[i])
		i++
	}
	return b.String()
}

// digitsFrom is where the digits that begin at i end.
func digitsFrom(text string, i int) int {
	for i < len(text) && text[i] >= '0' && text[i] <= '9' {
		i++
	}
	return i
}

func grouped(b *strings.Builder, digits, group string) {
	for i := range digits {
		if i > 0 && (len(digits)-i)%3 == 0 {
			b.WriteString(group)
		}
		b.WriteByte(digits[i])
	}
}

// moneySigns takes the signs of money out of a text.
var moneySigns = strings.NewReplacer("€", "", "£", "", "$", "")

// Plain is a typed text with its numbers as the core reads them: the opposite of Spell.
// What is no number, or is grouped otherwise, stays for the reader to judge; but 1,000 is a
// thousand wherever the comma is no decimal sign, and €3.50 is 3.50.
func (w Vocabulary) Plain(text string) string {
	text = moneySigns.Replace(text)
	group, point := w.marks()
	if group == "" && point == "." && !strings.Contains(text, ",") {
		return text
	}
	return eachNumber(text, func(b *strings.Builder, i, end int) int {
		b.WriteString(text[i:end])
		if end-i <= 3 {
			sign := group
			if group != "," && point == "." && commaGroups(text, i, end) {
				sign = ","
			}
			for wide := groupAt(text, end, sign); sign != "" && wide > 0; wide = groupAt(text, end, sign) {
				b.WriteString(text[end+wide : end+wide+3])
				end += wide + 3
			}
		}
		if point == "," && end+1 < len(text) && text[end] == ',' && digitsFrom(text, end+1) > end+1 {
			b.WriteByte('.')
			end++
		}
		return end
	})
}

// commaGroups reports whether the commas after the digits from i to end group one number: it has at most
// seven digits, and none of a list comes after it.
func commaGroups(text string, i, end int) bool {
	if text[i] == '0' || i > 0 && text[i-1] == ',' || groupAt(text, end, ",") == 0 {
		return false
	}
	digits := end - i
	for ; groupAt(text, end, ",") > 0; end += len(",000") {
		digits += 3
	}
	list := end+1 < len(text) && text[end] == ',' && digitsFrom(text, end+1) > end+1
	return digits <= 7 && !list
}

// spaces are what may stand for the space of a group.
var spaces = []string{" ", noBreak, "\u2009", "\u202f"}

// groupAt is how many bytes part the three digits of a further group from what ends at
// i; 0 where none follows.
func groupAt(text string, i int, group string) int {
	signs := spaces
	if group == "," {
		signs = []string{","}
	}
	for _, sign := range signs {
		if strings.HasPrefix(text[i:], sign) && digitsFrom(text, i+len(sign)) == i+len(sign)+3 {
			return len(sign)
		}
	}
	return 0
}

// money is the core's own: one and many of the large, one and many of the small.
var money = []string{"euro", "euros", "cent", "cents"}

// ownMoney puts the class's money for the core's, word for word.
func (w Vocabulary) ownMoney(text string) string {
	own := commaList(w.Money)
	if len(own) != len(money) || !strings.Contains(text, "euro") && !strings.Contains(text, "cent") {
		return text
	}
	return eachWord(text, func(_ []string, _ int, word string) string {
		if k := slices.Index(money, word); k >= 0 {
			return own[k]
		}
		return word
	})
}

// eachWord is a text with its words written anew, and what stands behind them as it was: rewrite
// writes the one at i.
func eachWord(text string, rewrite func(words []string, i int, word string) string) string {
	words := strings.Split(text, " ")
	for i, word := range words {
		bare := strings.TrimRight(word, ".,:;?!")
		words[i] = rewrite(words, i, bare) + word[len(bare):]
	}
	return strings.Join(words, " ")
}

// ownOnes says units for ones that are counted: in unit forms, which are no sentences of the catalogue.
func ownOnes(text string) string {
	return eachWord(text, func(words []string, i int, word string) string {
		switch {
		case i == 0:
		case word == "ones" && endsInDigit(words[i-1]):
			return "units"
		case word == "one" && words[i-1] == "1" && (i+1 == len(words) || words[i+1] != "by"):
			return "unit"
		}
		return word
	})
}

func endsInDigit(text string) bool {
	last := len(text) - 1
	return last >= 0 && digitsFrom(text, last) > last
}

// validateSpelling names the first choice of numbers, "and" and money that is none.
func (w Vocabulary) validateSpelling() error {
	if w.Numbers != "" && !slices.Contains(NumberForms, w.Numbers) {
		return fmt.Errorf("words.numbers: %q is not a choice. Use one of %s", w.Numbers, strings.Join(NumberForms, " | "))
	}
	if w.And != "" && !slices.Contains(AndForms, w.And) {
		return fmt.Errorf("words.and: %q is not a choice. Use %s", w.And, strings.Join(AndForms, " or "))
	}
	if n := len(commaList(w.Money)); n != 0 && n != len(money) || len(w.Money) > 120 {
		return fmt.Errorf("words.money: %d names. Write one and many of the large, then of the small, parted by commas: %s",
			n, strings.Join(money, ", "))
	}
	return nil
}
