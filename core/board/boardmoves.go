package board

import (
	"slices"

	"unitbloom/core/say"
)

// CoverArgs name the zone to cover or to show again.
type CoverArgs struct {
	Zone string `json:"zone" jsonschema:"required" jsonschema_description:"A column (ones), a row (row 1) or one side of it (row 1 left). To show again, an empty zone means all."`
}

// ModelArgs name a model kind.
type ModelArgs struct {
	Of string `json:"of" jsonschema:"required" jsonschema_description:"The kind of the new model."`
}

// TitleArgs hold a model's title.
type TitleArgs struct {
	Title string `json:"title" jsonschema:"required,maxLength=200" jsonschema_description:"The title above the model; empty for none."`
}

// NoArgs is for moves without parameters.
type NoArgs struct{}

// boardMoves are the moves of the board itself. They only look: the number of
// every model that stays is unchanged.
var boardMoves []MoveSpec

// The moves refer to the registry that holds them, hence init.
func init() {
	boardMoves = []MoveSpec{
		boardMove("cover", "Lay a cover over one zone of a model. Its number is not read out until it is shown again.", CoverArgs{Zone: "ones"}, cover),
		boardMove("uncover", "Show a covered zone again, or all of a model.", CoverArgs{}, uncover),
		boardMove("addModel", "Put another model beside the others.", ModelArgs{Of: "rack"}, addModel),
		boardMove("removeModel", "Put a model away with its pieces.", NoArgs{}, removeModel),
		boardMove("title", "Write a title above a model.", TitleArgs{Title: "Bulbs"}, title),
	}
}

func boardMove[A any](kind, doc string, example A, apply func(Board, int, A, *Turn) (Board, error)) MoveSpec {
	var zero A
	spec := MoveSpec{Kind: kind, Doc: doc, Laws: []LawKind{Looks}, Args: zero, Board: "blocks 1h 4t 6o | rack 1: 3", Example: example}
	spec.apply = func(b Board, mv Move, t *Turn) (Board, error) {
		args, err := argsOf[A](mv)
		if err != nil {
			return b, err
		}
		if kind != "addModel" && (mv.Model < 0 || mv.Model >= len(b.Models)) {
			return b, say.Refuse("no-model", say.Int("n", say.Given, mv.Model+1), say.Int("count", say.Given, len(b.Models)))
		}
		return apply(b, mv.Model, args, t)
	}
	spec.law = func(Board, Move) (Law, error) { return Law{Kind: Looks}, nil }
	spec.saved = func(b Board, mv Move) (Move, error) { return mv, nil }
	return spec
}

func cover(b Board, i int, a CoverArgs, t *Turn) (Board, error) {
	if !hasZone(b.Models[i], a.Zone) {
		return b, say.Refuse("no-zone", say.Text("zone", say.Given, a.Zone))
	}
	c := Cover{i, a.Zone}
	if !slices.Contains(b.Covers, c) {
		b.Covers = append(slices.Clone(b.Covers), c)
	}
	t.Say("did.covered", say.Text("zone", say.Name, a.Zone))
	return b, nil
}

func uncover(b Board, i int, a CoverArgs, t *Turn) (Board, error) {
	b.Covers = slices.DeleteFunc(slices.Clone(b.Covers), func(c Cover) bool {
		return c.Model == i && (a.Zone == "" || c.Zone == a.Zone)
	})
	name := a.Zone
	if name == "" {
		name = b.Models[i].Kind()
	}
	t.Say("did.uncovered", say.Text("zone", say.Name, name))
	return b, nil
}

func addModel(b Board, _ int, a ModelArgs, t *Turn) (Board, error) {
	spec, ok := SpecOf(a.Of)
	if !ok {
		return b, badField("of", "there is no model called \""+a.Of+"\". Models are "+kindsList())
	}
	if len(b.Models) == MaxModels {
		return b, say.Refuse("models-full")
	}
	m := spec.New(t.ids)
	if err := t.Room(m.Pieces()); err != nil {
		return b, err
	}
	b.Models = append(slices.Clone(b.Models), m)
	b.Titles = append(slices.Clone(b.Titles), "")
	t.Say("did.model", say.Text("model", say.Name, a.Of))
	return b, nil
}

func removeModel(b Board, i int, _ NoArgs, t *Turn) (Board, error) {
	if len(b.Models) == 1 {
		return b, say.Refuse("last-model")
	}
	t.Say("did.gone", say.Text("model", say.Name, b.Models[i].Kind()))
	b.Models = slices.Delete(slices.Clone(b.Models), i, i+1)
	b.Titles = slices.Delete(slices.Clone(b.Titles), i, i+1)
	var kept []Cover
	for _, c := range b.Covers {
		switch {
		case c.Model == i:
			continue
		case c.Model > i:
			c.Model--
		}
		kept = append(kept, c)
	}
	b.Covers = kept
	return b, nil
}

func title(b Board, i int, a TitleArgs, t *Turn) (Board, error) {
	if len([]rune(a.Title)) > 200 {
		return b, badField("title", "a title has at most 200 letters")
	}
	b.Titles = slices.Clone(b.Titles)
	b.Titles[i] = a.Title
	t.Say("did.titled")
	return b, nil
}
