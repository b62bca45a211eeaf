package say_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"unitbloom/core/say"
)

func TestAStoryIsRightForOneAndForMany(t *testing.T) {
	for _, c := range []struct {
		story string
		told  []string
		want  string
	}{
		{"{3} snails sit on the {leaf}", []string{"1"}, "1 snail sits on the leaf."},
		{"{3} snails sit on the {leaf}", []string{"3"}, "3 snails sit on the leaf."},
		{"{1} bee is here and {4} leaves fall.", []string{"5", "1"}, "5 bees are here and 1 leaf falls."},
		{"In the shed {2} children wait, {1} mouse hides!", []string{"1", "3"}, "In the shed 1 child waits, 3 mice hide!"},
		{"{1} bees fly home", []string{"1"}, "1 bee flies home."},
		{"{1} bees fly home", []string{"2"}, "2 bees fly home."},
		{"{1} bus waits", []string{"1"}, "1 bus waits."},
		{"{2} bulbs {is|are} planted", []string{"1"}, "1 bulb is planted."},
		{"{0} pots are empty", []string{"0"}, "0 pots are empty."},
		{"There {is|are} {2} foxes", nil, "There are 2 foxes."},
		{"There {is|are} {2} foxes", []string{"1"}, "There is 1 fox."},
		{"{2} grey pots stand there", []string{"3"}, "3 grey pots stand there."},
		{"{1} daisy blooms", []string{"4"}, "4 daisies bloom."},
		{"{2} grey pots stand there", []string{"1"}, "1 grey pot stands there."},
		{"{1} small grey pot stands there", []string{"5"}, "5 small grey pots stand there."},
		{"There are {1} red apples and {7} green apples", nil, "There is 1 red apple and 7 green apples."},
		{"There are {3} red apples and {7} green apples", []string{"2", "1"}, "There are 2 red apples and 1 green apple."},
		{"There is only {1} plum. Here were {2} plums", []string{"2", "1"}, "There are only 2 plums. Here was 1 plum."},
		{"Tom has {6} marbles and gets {3} more marbles", []string{"1", "1"}, "Tom has 1 marble and gets 1 more marble."},
		{"{9} ladies and {1} gentlemen dance", []string{"1", "1"}, "1 lady and 1 gentleman dances."},
		{"{1} dogs bark and {1} cats don't", nil, "1 dog barks and 1 cat doesn't."},
		{"{3} sheep eat flowers", []string{"1"}, "1 sheep eats flowers."},
		{"{1} sheep eats flowers", []string{"4"}, "4 sheep eat flowers."},
		{"{2} wolves howl", []string{"1"}, "1 wolf howl."},
		{"{4} cookies are in the tin, {3} of them broken", []string{"1", "2"}, "1 cookie is in the tin, 2 of them broken."},
		{"{1} dog barks", []string{"2"}, "2 dogs bark."},
		{"{1} child has a kite", []string{"3"}, "3 children have a kite."},
		{"{5}", []string{"1"}, "1."},
		{"{2.5} metres {is|are} red, {1,25} metres are green", nil, "2.5 metres are red, 1.25 metres are green."},
		{"{1,250} bulbs lie in {3} crates", nil, "1250 bulbs lie in 3 crates."},
		{"{2.5} metres {is|are} red", []string{"1"}, "1 metre is red."},
		{"{1} more comes", []string{"3"}, "3 more come."},
		{"{3} more come", []string{"1"}, "1 more comes."},
		{"{2} red flies sit", []string{"1"}, "1 red fly sits."},
		{"Here are {5} sweets and {1} of them was red", []string{"5", "3"}, "Here are 5 sweets and 3 of them were red."},
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
	assert.Equal(t, []string{"3", "2", "5"}, s.Numbers())
	assert.Equal(t, []string{"snails", "bees", ""}, s.Things())
	s, _ = say.ReadStory("{3} small red snails and {1} red bee")
	assert.Equal(t, []string{"snails", "bee"}, s.Things())
}

func TestOneAndManyOfAThing(t *testing.T) {
	for one, many := range map[string]string{"leaf": "leaves", "bee": "bees", "box": "boxes", "daisy": "daisies",
		"glass": "glasses", "fireman": "firemen", "human": "humans", "wolf": "wolves", "cookie": "cookies",
		"peach": "peaches",
		"child": "children", "sheep": "sheep", "boy": "boys", "potato": "potatoes"} {
		assert.Equal(t, one, say.OneOf(many))
		assert.Equal(t, many, say.ManyOf(one))
		assert.Equal(t, many, say.ManyOf(many))
		assert.Equal(t, one, say.OneOf(one), one)
	}
}
