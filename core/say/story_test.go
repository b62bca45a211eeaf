package say_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"unitbloom/core/say"
)

func TestAStoryIsRightForOneAndForMany(t *testing.T) {
	for _, c := range []struct {
		story string
		told  []int
		want  string
	}{
		{"{3} snails sit on the {leaf}", []int{1}, "1 snail sits on the leaf."},
		{"{3} snails sit on the {leaf}", []int{3}, "3 snails sit on the leaf."},
		{"{1} bee is here and {4} leaves fall.", []int{5, 1}, "5 bees are here and 1 leaf falls."},
		{"In the shed {2} children wait, {1} mouse hides!", []int{1, 3}, "In the shed 1 child waits, 3 mice hide!"},
		{"{1} bees fly home", []int{1}, "1 bee flies home."},
		{"{1} bees fly home", []int{2}, "2 bees fly home."},
		{"{1} bus waits", []int{1}, "1 bus waits."},
		{"{2} bulbs {is|are} planted", []int{1}, "1 bulb is planted."},
		{"{0} pots are empty", []int{0}, "0 pots are empty."},
		{"There {is|are} {2} foxes", nil, "There are 2 foxes."},
		{"There {is|are} {2} foxes", []int{1}, "There is 1 fox."},
		{"{2} grey pots stand there", []int{3}, "3 grey pots stand there."},
		{"{1} daisy blooms", []int{4}, "4 daisies bloom."},
		{"{2} grey pots stand there", []int{1}, "1 grey pots stand there."},
	} {
		s, ok := say.ReadStory(c.story)
		assert.True(t, ok, c.story)
		if c.told != nil {
			assert.Equal(t, c.want, s.Tell(c.told...), c.story)
		} else {
			assert.Equal(t, c.want, s.Tell(), c.story)
		}
	}
	for _, none := range []string{"", "3 snails", "{snails} sit", "{3 snails", "{-1} snails"} {
		_, ok := say.ReadStory(none)
		assert.False(t, ok, none)
	}
	s, _ := say.ReadStory("{3} snails and {2} bees, {5}")
	assert.Equal(t, []int{3, 2, 5}, s.Numbers())
	assert.Equal(t, []string{"snails", "bees", ""}, s.Things())
}

func TestOneAndManyOfAThing(t *testing.T) {
	for one, many := range map[string]string{"leaf": "leaves", "bee": "bees", "box": "boxes", "daisy": "daisies",
		"glass": "glasses",
		"child": "children", "sheep": "sheep", "boy": "boys", "potato": "potatoes"} {
		assert.Equal(t, one, say.OneOf(many))
		assert.Equal(t, many, say.ManyOf(one))
		assert.Equal(t, many, say.ManyOf(many))
		assert.Equal(t, one, say.OneOf(one), one)
	}
}
