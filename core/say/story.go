package say

import (
	"slices"
	"strconv"
	"strings"
)

// Story is a teacher's own sentence with places for numbers, things and words that go
// with a number: "{3} snails sit on the {leaf}", "{2} bees {is|are} here". Told with other
// numbers, one and many are right.
type Story struct {
	pieces []storyPiece
	ends   string
}

// storyPiece is text, and the place after it: a number, a thing, or one and many.
type storyPiece struct {
	text      string
	number    bool
	n         int
	thing     string
	one, many string
}

// ReadStory reads a sentence with at least one number in braces.
func ReadStory(text string) (Story, bool) {
	var s Story
	rest := strings.TrimSpace(text)
	for {
		before, after, open := strings.Cut(rest, "{")
		if !open {
			break
		}
		inside, then, closed := strings.Cut(after, "}")
		if !closed {
			return Story{}, false
		}
		p := storyPiece{text: before}
		inside = strings.TrimSpace(inside)
		if one, many, choice := strings.Cut(inside, "|"); choice {
			p.one, p.many = one, many
		} else if n, err := strconv.Atoi(inside); err == nil && n >= 0 {
			p.number, p.n = true, n
		} else {
			p.thing = inside
		}
		s.pieces, rest = append(s.pieces, p), then
	}
	s.ends = rest
	if rest == "" || !strings.ContainsAny(rest[len(rest)-1:], ".!?") {
		s.ends += "."
	}
	return s, len(s.Numbers()) > 0
}

// Numbers are those of the sentence as it was written.
func (s Story) Numbers() []int {
	var out []int
	for _, p := range s.pieces {
		if p.number {
			out = append(out, p.n)
		}
	}
	return out
}

// Things are what each number counts: the word after it, as it was written.
func (s Story) Things() []string {
	var out []string
	for i, p := range s.pieces {
		if p.number {
			next := s.ends
			if i+1 < len(s.pieces) {
				next = s.pieces[i+1].text
			}
			words := strings.Fields(next)
			if len(words) == 0 {
				words = []string{""}
			}
			out = append(out, strings.Trim(words[0], ".,;:!?"))
		}
	}
	return out
}

// Tell is the sentence with other numbers in its places, in order; a place without one
// keeps its own.
func (s Story) Tell(numbers ...int) string {
	told := s.Numbers()
	copy(told, numbers)
	var b strings.Builder
	at := -1 // the number that was told last
	var counts *storyPiece
	add := func(text string) {
		if counts != nil {
			text = agreeing(text, counts.n == 1, told[at] == 1)
		}
		b.WriteString(text)
		counts = nil
	}
	for i := range s.pieces {
		p := &s.pieces[i]
		add(p.text)
		switch {
		case p.number:
			at++
			counts = p
			b.WriteString(strconv.Itoa(told[at]))
		case p.one+p.many == "":
			b.WriteString(p.thing)
		case told[max(0, at)] == 1:
			b.WriteString(p.one)
		default:
			b.WriteString(p.many)
		}
	}
	add(s.ends)
	return sentences(b.String())
}

// agreeing is the text after a number, written for one or for many, with its thing and its
// verb for what is told now.
func agreeing(text string, was, one bool) string {
	words := strings.SplitN(text, " ", 4)
	if len(words) < 2 || words[0] != "" {
		return text
	}
	thing, end := bare(words[1])
	// "{1} bees fly" was written for many, whatever its number.
	if was = was && !isMany(thing); was == one {
		return text
	}
	if one {
		words[1] = OneOf(thing) + end
	} else {
		words[1] = ManyOf(thing) + end
	}
	if len(words) > 2 && end == "" {
		verb, end := bare(words[2])
		words[2] = agree(verb, one) + end
	}
	return strings.Join(words, " ")
}

// bare is a word without the signs at its end, and those signs.
func bare(word string) (string, string) {
	text := strings.TrimRight(word, ".,;:!?")
	return text, word[len(text):]
}

// irregular are things whose many is not one with an s.
var irregular = [][2]string{{"child", "children"}, {"mouse", "mice"}, {"goose", "geese"}, {"foot", "feet"},
	{"tooth", "teeth"},
	{"bus", "buses"}, {"man", "men"}, {"woman", "women"}, {"person", "people"}, {"sheep", "sheep"},
	{"fish", "fish"}, {"deer", "deer"},
	{"leaf", "leaves"}, {"loaf", "loaves"}, {"knife", "knives"}, {"potato", "potatoes"}, {"tomato", "tomatoes"}}

// isMany reports whether a thing is certainly told as many: bees, but not bus.
func isMany(thing string) bool {
	one := OneOf(thing)
	return one != thing && ManyOf(one) == thing && !strings.HasSuffix(thing, "us") && !strings.HasSuffix(thing, "is")
}

// OneOf is the name of one thing: bulb of bulbs, leaf of leaves.
func OneOf(things string) string {
	for _, w := range irregular {
		if things == w[1] {
			return w[0]
		}
	}
	switch {
	case strings.HasSuffix(things, "ies") && len(things) > 4:
		return strings.TrimSuffix(things, "ies") + "y"
	case strings.HasSuffix(things, "sses") || strings.HasSuffix(things, "xes") || strings.HasSuffix(things, "shes") ||
		strings.HasSuffix(things, "ches"):
		return strings.TrimSuffix(things, "es")
	case strings.HasSuffix(things, "ss"):
		return things
	}
	return strings.TrimSuffix(things, "s")
}

// ManyOf is the name of several of a thing, told as one or as many.
func ManyOf(thing string) string {
	one := OneOf(thing)
	for _, w := range irregular {
		if one == w[0] {
			return w[1]
		}
	}
	switch {
	case one == "" || one != thing:
		return thing // it is told as many already
	case strings.HasSuffix(one, "y") && !strings.ContainsAny(one[max(0, len(one)-2):len(one)-1], "aeiou"):
		return strings.TrimSuffix(one, "y") + "ies"
	case strings.HasSuffix(one, "s") || strings.HasSuffix(one, "x") || strings.HasSuffix(one, "sh") ||
		strings.HasSuffix(one, "ch"):
		return one + "es"
	}
	return one + "s"
}

// Verbs that stories are told with, for many and for one.
var (
	storyVerbs = [][2]string{{"are", "is"}, {"were", "was"}, {"have", "has"}, {"do", "does"}, {"go", "goes"},
		{"fly", "flies"},
		{"carry", "carries"}, {"try", "tries"}, {"catch", "catches"}, {"watch", "watches"}}
	regularVerbs = []string{"sit", "play", "grow", "stand", "swim", "run", "jump", "walk", "eat", "sleep", "wait",
		"come", "stay",
		"lie", "live", "hop", "hang", "hide", "crawl", "climb", "drink", "dance", "sing", "float", "fall", "roll", "leave",
		"arrive", "bloom", "rest"}
)

// agree is a verb of a story for one or for many; any other word stays.
func agree(word string, one bool) string {
	for _, v := range storyVerbs {
		if word == v[0] || word == v[1] {
			if one {
				return v[1]
			}
			return v[0]
		}
	}
	if many := strings.TrimSuffix(word, "s"); slices.Contains(regularVerbs, many) {
		if one {
			return many + "s"
		}
		return many
	}
	return word
}
