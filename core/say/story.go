package say

import (
	"slices"
	"strings"

	"unitbloom/core/place"
)

// Story is a teacher's own sentence with places for numbers, things and words that go
// with a number: "{3} snails sit on the {leaf}", "{2} bees {is|are} here". Told with other
// numbers, one and many are right.
type Story struct {
	pieces []storyPiece
	ends   string
}

// storyPiece is text, and the place after it: a number as it is written, a thing, or one and many.
type storyPiece struct {
	text      string
	number    string
	thing     string
	one, many string
}

// MostOfStory is how many signs a teacher's own sentence has at most.
const MostOfStory = 200

// single is the number that a thing is told in the singular with.
const single = "1"

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
		} else if n, err := amountIn(inside); err == nil {
			p.number = n.String()
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

// amountIn reads a number whose comma parts its thousands, as in 1,250, or else its decimals, as in 1,25.
func amountIn(text string) (place.Written, error) {
	n, err := place.Parse(text)
	if err == nil {
		return n, nil
	}
	return place.Parse(strings.Replace(text, ",", ".", 1))
}

// Numbers are those of the sentence as it was written.
func (s Story) Numbers() []string {
	var out []string
	for _, p := range s.pieces {
		if p.number != "" {
			out = append(out, p.number)
		}
	}
	return out
}

// Things are what each number counts: the name after it, as it was written.
func (s Story) Things() []string {
	var out []string
	for i, p := range s.pieces {
		if p.number != "" {
			next := s.ends
			if i+1 < len(s.pieces) {
				next = s.pieces[i+1].text
			}
			words := strings.Fields(next)
			if len(words) == 0 {
				out = append(out, "")
				continue
			}
			thing, _ := bare(words[nameAt(words, p.number == single)])
			out = append(out, thing)
		}
	}
	return out
}

// Tell is the sentence with other numbers in its places, in order; a place without one
// keeps its own.
func (s Story) Tell(numbers ...string) string {
	told := s.Numbers()
	copy(told, numbers)
	var b strings.Builder
	at := -1 // the number that was told last
	var counts *storyPiece
	add := func(text string) {
		if counts != nil {
			text = agreeing(text, counts.number == single, told[at] == single)
		}
		b.WriteString(text)
		counts = nil
	}
	for i := range s.pieces {
		p := &s.pieces[i]
		text := p.text
		if p.number != "" {
			text = leading(text, told[at+1] == single)
		}
		add(text)
		switch {
		case p.number != "":
			at++
			counts = p
			b.WriteString(told[at])
		case p.one+p.many == "":
			b.WriteString(p.thing)
		case told[max(0, at)] == single:
			b.WriteString(p.one)
		default:
			b.WriteString(p.many)
		}
	}
	add(s.ends)
	return sentences(b.String())
}

// leading is the text before a number, its verb for one or for many where it tells that something is there:
// "There are only".
func leading(text string, one bool) string {
	words := strings.Split(text, " ")
	for i := max(1, len(words)-3); i < len(words); i++ {
		if before := strings.ToLower(words[i-1]); before == "there" || before == "here" {
			words[i] = agree(words[i], one)
		}
	}
	return strings.Join(words, " ")
}

// agreeing is the text after a number, written for one or for many, with its thing and its
// verb for what is told now.
func agreeing(text string, was, one bool) string {
	rest, spaced := strings.CutPrefix(text, " ")
	if !spaced || rest == "" {
		return text
	}
	words := strings.Split(rest, " ")
	if words[0] == "of" { // of them
		if len(words) > 2 {
			words[2] = agree(words[2], one)
		}
		return " " + strings.Join(words, " ")
	}
	at := nameAt(words, was)
	thing, end := bare(words[at])
	// "{1} bees fly" was written for many, whatever its number.
	if was = was && !isMany(thing); was == one {
		return text
	}
	switch {
	case slices.Contains(adjectives, thing): // "{1} more comes": the thing is not named
	case one:
		words[at] = OneOf(thing) + end
	default:
		words[at] = ManyOf(thing) + end
	}
	if at+1 < len(words) && end == "" {
		verb, end := bare(words[at+1])
		words[at+1] = agree(verb, one) + end
	}
	return " " + strings.Join(words, " ")
}

// mostWords is how many words before the name of a thing are looked at: "small red snails".
const mostWords = 3

// nameAt is which of the words after a number names what it counts. Written for many it is the first that is
// certainly told as many; written for one, the first that says not only how the thing is.
func nameAt(words []string, one bool) int {
	for i, word := range words[:min(len(words), mostWords)] {
		thing, end := bare(word)
		_, _, verb := verbOf(thing)
		if one && verb && i > 0 {
			return i - 1
		}
		if isMany(thing) || !one && OneOf(thing) == ManyOf(thing) {
			return i
		}
		if end != "" || verb || one && !slices.Contains(adjectives, thing) {
			if one {
				return i
			}
			break
		}
	}
	return 0
}

// bare is a word without the signs at its end, and those signs.
func bare(word string) (string, string) {
	text := strings.TrimRight(word, ".,;:!?")
	return text, word[len(text):]
}
