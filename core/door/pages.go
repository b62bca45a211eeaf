package door

import (
	"fmt"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/say"
	"unitbloom/core/word"
)

// WordLine is a word card in the class's words.
type WordLine struct {
	ID      string `json:"id"`
	Age     string `json:"age"`
	Name    string `json:"name"`
	Meaning string `json:"meaning"`
}

// WordList holds the word cards that come with the product.
type WordList struct {
	Words []WordLine `json:"words"`
}

func listWords(s *session, _ None) (WordList, error) {
	out := WordList{Words: []WordLine{}}
	w := s.doc.Words
	for _, c := range word.Cards() {
		out.Words = append(out.Words, WordLine{c.ID, c.Age, c.Name().Text(w), w.Spell(c.Meaning().Text(w))})
	}
	return out, nil
}

// PageArgs say what a page of the lesson is: its objective, nothing but paper, a word card
// that comes with the product, or one of the teacher's own with its meaning, and
// the kind of model and the amount that it is shown with.
type PageArgs struct {
	Page    lesson.Page `json:"page" jsonschema:"enum=objective,enum=word,enum=blank"`
	Card    string      `json:"card,omitempty"`
	Name    string      `json:"name,omitempty"`
	Meaning string      `json:"meaning,omitempty"`
	Kind    string      `json:"kind,omitempty"`
	Amount  string      `json:"amount,omitempty"`
}

// PagesArgs are pages, with what begins their ids, and where they come.
type PagesArgs struct {
	ID    string     `json:"id"`
	Pages []PageArgs `json:"pages"`
	At    *int       `json:"at,omitempty"`
}

// addPages adds pages that are no boards, as one undo.
func addPages(s *session, a PagesArgs) (Update, error) {
	if len(a.Pages) == 0 || len(a.Pages) > len(word.Cards())+2 {
		return Update{}, board.BadCount(len(a.Pages), 1, len(word.Cards())+2)
	}
	var scenes []lesson.Scene
	for i, p := range a.Pages {
		sc, err := p.scene(fmt.Sprintf("%s-%d", a.ID, i+1), s.doc.Words)
		if err != nil {
			return Update{}, err
		}
		scenes = append(scenes, sc)
	}
	return s.addScenes(scenes, a.At, s.capture)
}

func (p PageArgs) scene(id string, w say.Vocabulary) (lesson.Scene, error) {
	switch {
	case p.Page == lesson.WordPage && p.Card != "":
		c, err := word.Find(p.Card)
		if err != nil {
			return lesson.Scene{}, err
		}
		return c.Scene(id)
	case p.Page == lesson.WordPage:
		return word.Own(id, p.Name, p.Meaning, p.Kind, w.Plain(p.Amount))
	case p.Page.Shows():
		return lesson.Scene{}, board.BadField("page", "a page is objective, word or blank")
	}
	b, err := board.New(board.Specs()[0].Kind)
	return lesson.Scene{ID: id, Title: say.New("page." + string(p.Page)).Text(w), Start: b, Page: p.Page}, err
}
