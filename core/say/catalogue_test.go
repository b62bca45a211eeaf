package say

import (
	"regexp"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"unitbloom/core/place"
)

// What the class calls regrouping stands nowhere in letters, in no sentence that is still
// said: it is filled in.
func TestNoSentenceHasAWordOfItsOwnForRegrouping(t *testing.T) {
	own := regexp.MustCompile(`(?i)(^|[^@])\b(un)?bundl(e|ed|ing)\b|\bopened\b|\bopen (it|them|one)\b`)
	for _, part := range []map[string]string{general, worked} {
		for id, template := range part {
			if strings.HasPrefix(id, "did.tower") {
				continue // a tower of cubes is opened, whatever the class calls regrouping
			}
			assert.NotRegexp(t, own, template, id)
		}
	}
}

// What a class calls the subject, a bond and the blocks stands in no sentence in letters:
// where one names them, it asks the class's words.
func TestNoSentenceHasAWordOfItsOwnForWhatAClassNames(t *testing.T) {
	own := regexp.MustCompile(`(?i)\b(maths?|number bond|part-whole|flats?|big cubes?|euros?|cents?)\b`)
	for _, part := range []map[string]string{general, worked} {
		for id, template := range part {
			if !Says(id) || strings.HasPrefix(id, "label.") {
				continue
			}
			assert.NotRegexp(t, own, template, id)
		}
	}
}

// A sentence is said in one part of the catalogue only, its holes are closed, and a
// question of a worked example has a kind.
func TestTheCatalogueIsSound(t *testing.T) {
	hole := regexp.MustCompile(`\{[^{}]*\}`)
	seen := map[string]bool{}
	for _, part := range []map[string]string{general, worked, retired} {
		for id, template := range part {
			assert.False(t, seen[id], "%s stands twice", id)
			seen[id] = true
			assert.NotContains(t, hole.ReplaceAllString(template, ""), "{", id)
			assert.NotContains(t, hole.ReplaceAllString(template, ""), "}", id)
			assert.NotEmpty(t, New(id).Text(Vocabulary{}), id)
		}
	}
	for id, template := range worked {
		if kind := KindOf(id); kind != "" {
			assert.Contains(t, Kinds(), kind, id)
			assert.True(t, strings.HasSuffix(template, "?"), "%s is no question", id)
			assert.Equal(t, 1, strings.Count(template, "?"), "%s asks for two answers at once", id)
		} else {
			assert.False(t, strings.HasSuffix(template, "?"), "%s has no kind", id)
		}
	}
	for id := range worked {
		if told, is := strings.CutSuffix(id, ".told"); is {
			assert.Contains(t, worked, told, "%s is told of no answer", id)
		}
	}
}

// One and many follow the value, wherever they stand.
func TestOneAndManyFollowTheValue(t *testing.T) {
	catalogue["try"] = "{n} {n:row|rows} of {p} {p.count:is|are} there."
	defer delete(catalogue, "try")
	for want, m := range map[string]Message{
		"1 row of 1 one is there.":    New("try", Int("n", Given, 1), Pieces("p", Given, 1, place.Ones)),
		"0 rows of 2 ones are there.": New("try", Int("n", Given, 0), Pieces("p", Given, 2, place.Ones)),
	} {
		assert.Equal(t, want, m.Text(Vocabulary{}))
	}
	catalogue["more"] = "{n} more."
	defer delete(catalogue, "more")
	first := New("try", Int("n", Given, 1), Pieces("p", Given, 1, place.Ones))
	both := first.And(New("more", Int("n", Answer, 3))).And(New("more", Int("n", Answer, 4)))
	assert.Equal(t, "1 row of 1 one is there. 3 more. 4 more.", both.Text(Vocabulary{}))
	assert.True(t, both.Has(Answer))
	assert.False(t, first.Has(Answer), "the first is as it was")
}

// A class that carries and borrows hears both words as they are used: a ten is carried, a
// hundred is borrowed, and nothing is carried "as" or "into" anything.
func TestAClassThatCarriesHearsItsOwnForms(t *testing.T) {
	w := Vocabulary{Regroup: "carry"}
	next, left := PlaceName("next", place.Tens), Int("left", Answer, 3)
	assert.Equal(t, "Carry one ten", New("verb.bundle", next).Text(w))
	assert.Equal(t, "Ten of them make a ten. Carry it. 3 stay.", New("columnAdd.regroup.answer", next,
		left).Text(w))
	assert.Equal(t, "Borrow one of the tens. It makes ten ones.",
		New("minusColumn.open", PlaceName("from", place.Tens), PlaceName("to", place.Ones)).Text(w))
	joined := regexp.MustCompile(`(?i)(carr(y|ied)|borrow(ed)?) ([^.:]* )?(as|into) `)
	for id, template := range catalogue {
		base, is := strings.CutSuffix(id, ".carry")
		if is {
			for _, hole := range regexp.MustCompile(`\{[a-z]+`).FindAllString(template, -1) {
				assert.Contains(t, catalogue[base], hole, "%s has a value that %s does not have", id, base)
			}
		}
		if Says(id) && !is {
			assert.NotRegexp(t, joined, New(id).Text(w), id)
		}
	}
}
