package sentence

import (
	"strings"

	"unitbloom/core/place"
	"unitbloom/core/say"
)

// saidAs is how signs are read; − is read as the class does.
var saidAs = map[rune]string{'+': "plus", '×': "times", '÷': "divided by", '=': "equals", '<': "is less than",
	'>': "is greater than", '≈': "is about"}

// Read is the sentence as a class reads it aloud: "thirteen take away five equals eight".
func (s Sentence) Read(w say.Vocabulary) string {
	var words []string
	sign := func(r rune) {
		if r == '−' {
			words = append(words, w.MinusName())
		} else {
			words = append(words, saidAs[r])
		}
	}
	for i, side := range s.Sides {
		if i > 0 {
			sign(s.Relations[i-1])
		}
		for k, t := range side.Terms {
			if k > 0 {
				sign(side.Ops[k-1])
			}
			words = append(words, t.read(w))
		}
		if side.Remainder != nil {
			words = append(words, "remainder", side.Remainder.read(w))
		}
	}
	return w.Spell(strings.Join(words, " "))
}

// read is the term in words: "three tens", "two point five metres", "what".
func (t Term) read(w say.Vocabulary) string {
	if t.Form != nil {
		parts := make([]string, len(t.Form))
		for i, c := range t.Form {
			parts[i] = counted(place.Int(c.Count).Words(true), w.PlaceName(c.Place, c.Count))
		}
		return strings.Join(parts, " ")
	}
	number := t.Number.Words(true)
	one := t.unit.name
	many := say.ManyOf(one)
	if p, err := place.ParsePlace(t.Word); one == "" && err == nil {
		one, many = w.PlaceName(p, 1), w.PlaceName(p, 2)
	}
	switch {
	case t.Unknown && one == "":
		return "what"
	case t.Unknown:
		return counted("how many", many)
	case one == "":
		return number
	case t.Number.String() == "1":
		return counted(number, one)
	}
	return counted(number, many)
}

// counted is so many of a thing.
func counted(number, thing string) string { return number + " " + thing }
