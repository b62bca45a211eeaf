package board

import (
	"fmt"
	"slices"

	"unitbloom/core/form"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// MaxKept is how many copies of its earlier states a model keeps beside it.
const MaxKept = 3

// KeptGap is between a model and the copies kept beside it, in model units.
const KeptGap = 30

// Widths of a tile, as hundredths of an even share.
const (
	MinWidth = 30
	MaxWidth = 300
)

// Shown says when something of a model is to be seen.
type Shown string

// What is shown stands there from the beginning, on reveal when the teacher reveals it, or
// never.
const (
	Always   Shown = ""
	OnReveal Shown = "reveal"
	Never    Shown = "never"
)

func (s Shown) check() error {
	if s != Always && s != OnReveal && s != Never {
		return fmt.Errorf("%s is not reveal or never", form.Quote(string(s)))
	}
	return nil
}

// Tile is what surrounds a model on the board.
type Tile struct {
	Title string
	// Width is the tile's share of the board in hundredths; 0 is an even share.
	Width int
	// Linked models show one number: a change of one changes the others.
	Linked bool
	// Beside are the read-outs that stand on the board beside the model.
	Beside []string
	// Counts says whether the counts of columns and rows stand there; when left out, they do.
	Counts Shown
	// Held are the read-outs that stand beside the model once they are revealed.
	Held []string
	// Kept are earlier states of the model, frozen and not counted.
	Kept []Model
	// The fields of a later minor, of the tile and of its model, as they came.
	extra, ofModel form.Extra
}

func (t Tile) isPlain() bool {
	return t.Width == 0 && !t.Linked && len(t.Beside) == 0 && t.Counts == "" && len(t.Held) == 0 &&
		len(t.Kept) == 0 && len(t.extra) == 0
}

func (t Tile) keptPieces() int {
	n := 0
	for _, m := range t.Kept {
		n += m.Pieces()
	}
	return n
}

// tile is b with f applied to the tile of model i; the input stays as it is.
func (b Board) tile(i int, f func(*Tile)) Board {
	b.Tiles = slices.Clone(b.Tiles)
	f(&b.Tiles[i])
	return b
}

// follow brings the models linked to model i to its number, each by the
// difference and, where it can, with the same regrouping. One that cannot hold
// the number is unlinked with the reason.
func (b Board) follow(was Board, i int, t *Tx) Board {
	if !b.Tiles[i].Linked || slices.Equal(was.Models[i].InPlay(), b.Models[i].InPlay()) {
		return b
	}
	form := b.Models[i].InPlay()
	t.room = MaxPieces - b.Pieces()
	for j := range b.Models {
		if j != i && b.Tiles[j].Linked {
			b = b.followOne(j, form, t)
		}
	}
	return b.unlinkLonely()
}

func (b Board) followOne(j int, form place.UnitForm, t *Tx) Board {
	m := b.Models[j]
	spec, _ := SpecOf(m.Kind())
	next, err := spec.Follow(m, form, t)
	if err != nil {
		why := say.Text("why", say.Given, b.cloakOf(Move{Model: j}).refusal(err).Error())
		t.effect.Also = append(t.effect.Also, say.New("did.unlinked-why", say.Text("model", say.Name, spec.Title), why))
		return b.tile(j, func(x *Tile) { x.Linked = false })
	}
	t.room -= next.Pieces() - m.Pieces()
	return b.with(j, next)
}

// unlinkLonely takes the link off a model that nothing is linked to any more.
func (b Board) unlinkLonely() Board {
	linked := -1
	for i, t := range b.Tiles {
		switch {
		case t.Linked && linked >= 0:
			return b
		case t.Linked:
			linked = i
		}
	}
	if linked < 0 {
		return b
	}
	return b.tile(linked, func(x *Tile) { x.Linked = false })
}
