// Package word holds the words of a lesson: each a card with the class's meaning in one
// sentence and a small model that shows it. A card is a scene, so that it is presented,
// touched and gone on from like any other. The meanings are from the judgement of
// experienced teachers.
package word

import (
	"fmt"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

// Card is a word with its meaning, in the catalogue under "word." and its id, and the
// notation of a board that shows it.
type Card struct {
	ID  string
	Age string // the age of the children who meet it, as lessons say it
	// Shows is the board, and Show the read-outs that stand there.
	Shows string
	Show  []string
}

// cards are those that come with the product, in the order in which they are met.
var cards = []Card{
	{ID: "count", Age: "5-6", Shows: "counters 7"},
	{ID: "more", Age: "5-6", Shows: "cubes 7 | cubes 4"},
	{ID: "equal", Age: "5-6", Shows: "cubes 4a3b | cubes 5a2b"},
	{ID: "whole", Age: "5-6", Shows: "cubes 5a4b"},
	{ID: "part", Age: "5-6", Shows: "cubes 5a4b"},
	{ID: "bond", Age: "5-6", Shows: "counters 6 + 3", Show: []string{"bond"}},
	{ID: "ones", Age: "5-6", Shows: "blocks 6o"},
	{ID: "ten", Age: "5-6", Shows: "blocks 1t 10o"},
	{ID: "count-on", Age: "5-6", Shows: "rack 2: 8 3"},
	{ID: "double", Age: "5-6", Shows: "rack 2: 6 6"},

	{ID: "digit", Age: "7-8", Shows: "discs 4t 6o", Show: []string{"numeral"}},
	{ID: "place", Age: "7-8", Shows: "discs 1h 4t 6o"},
	{ID: "value", Age: "7-8", Shows: "blocks 4t 6o", Show: []string{"expanded"}},
	{ID: "zero", Age: "7-8", Shows: "discs 4h 2o", Show: []string{"numeral"}},
	{ID: "bundle", Age: "7-8", Shows: "blocks 2t 13o"},
	{ID: "unbundle", Age: "7-8", Shows: "blocks 3t 2o"},
	{ID: "sum", Age: "7-8", Shows: "blocks 2t 4o + 1t 3o"},
	{ID: "difference", Age: "7-8", Shows: "cubes 9 | cubes 5"},
	{ID: "sentence", Age: "7-8", Shows: "cubes 5a3b"},
	{ID: "array", Age: "7-8", Shows: "counters 3x4: 12"},
	{ID: "times", Age: "7-8", Shows: "counters 0 @ 4 4 4"},
	{ID: "divide", Age: "7-8", Shows: "counters 0 @ 3 3 3 3"},

	{ID: "multiple", Age: "9-11", Shows: "counters 5x4: 20"},
	{ID: "factor", Age: "9-11", Shows: "counters 3x4: 12"},
	{ID: "remainder", Age: "9-11", Shows: "counters 2 @ 4 4 4"},
	{ID: "estimate", Age: "9-11", Shows: "blocks 9t 7o"},
	{ID: "inverse", Age: "9-11", Shows: "counters 8 + 5"},
	{ID: "tenth", Age: "9-11", Shows: "discs 1o 10.t"},
	{ID: "point", Age: "9-11", Shows: "discs 3o 5.h", Show: []string{"numeral"}},
	{ID: "round", Age: "9-11", Shows: "blocks 4t 7o"},
}

// Cards lists those that come with the product.
func Cards() []Card { return cards }

// Find is the card of an id.
func Find(id string) (Card, error) {
	for _, c := range cards {
		if c.ID == id {
			return c, nil
		}
	}
	return Card{}, fmt.Errorf("word: there is no word card %q", id)
}

// Name is the word, as the class says it.
func (c Card) Name() say.Message { return say.New("word." + c.ID + ".name") }

// Meaning is what it means, in one sentence.
func (c Card) Meaning() say.Message { return say.New("word." + c.ID) }

// Scene is the card as a scene: the word with its model, then what it means, then the class
// says it.
func (c Card) Scene(id string) (lesson.Scene, error) {
	b, err := board.Parse(c.Shows)
	if err != nil {
		return lesson.Scene{}, err
	}
	for i := range b.Tiles {
		b.Tiles[i].Counts, b.Tiles[i].Beside = board.Never, c.Show
	}
	return scene(id, c.Name().Text(say.Vocabulary{}), say.Line{Message: c.Meaning()}, b), nil
}

// Own is a card of the teacher's own: her word, what it means to her class, and a model with
// an amount as it is typed; an empty one where none is.
func Own(id, name, meaning, kind, amount string) (lesson.Scene, error) {
	name, meaning = strings.TrimSpace(name), strings.TrimSpace(meaning)
	if name == "" || meaning == "" {
		return lesson.Scene{}, say.Refuse("word-empty")
	}
	b, err := board.New(kind)
	if err != nil {
		return lesson.Scene{}, err
	}
	if amount = strings.TrimSpace(amount); amount != "" {
		spec, _ := board.SpecOf(kind)
		if b, _, err = board.Apply(b, spec.Acts.Build(amount)); err != nil {
			return lesson.Scene{}, err
		}
	}
	b.Tiles[0].Counts = board.Never
	return scene(id, name, say.Line{Own: meaning}, b), nil
}

func scene(id, title string, meaning say.Line, b board.Board) lesson.Scene {
	sc := lesson.Scene{ID: id, Title: title, Start: b, Page: lesson.WordPage, Steps: []lesson.Step{
		{Say: meaning},
		{Say: meaning, Look: say.Line{Message: say.New("word.together")}},
	}}
	return sc.Stamp()
}

// Title is the name of a scene's card in the class's words; nothing where it is no card of
// the product's, or the teacher has named it otherwise.
func Title(sc lesson.Scene, w say.Vocabulary) string {
	if sc.Page != lesson.WordPage || len(sc.Steps) == 0 {
		return ""
	}
	id, ok := strings.CutPrefix(sc.Steps[0].Say.Message.ID, "word.")
	if !ok {
		return ""
	}
	c, err := Find(id)
	if err != nil || sc.Title != c.Name().Text(say.Vocabulary{}) {
		return ""
	}
	return c.Name().Text(w)
}
