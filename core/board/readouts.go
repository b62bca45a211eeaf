package board

import (
	"unitbloom/core/say"
)

// ReadOutIDs are the read-outs that every model's number has.
var ReadOutIDs = []string{"numeral", "expanded", "unitForm", "words", "placeWords"}

// Hidden stands in a read-out whose number is under a cover.
const Hidden = "?"

// ReadOuts are what model i says of its number, in the class's words. While
// anything of the model is covered, each says Hidden.
func (b Board) ReadOuts(i int, w say.Words) []ReadOut {
	m := b.Models[i]
	total := Total(m)
	outs := []ReadOut{
		{"numeral", label("numeral", w), total.String()},
		{"expanded", label("expanded", w), total.Expanded()},
		{"unitForm", label("unitForm", w), w.UnitForm(m.InPlay())},
		{"words", label("words", w), total.Words(true)},
		{"placeWords", label("placeWords", w), total.PlaceWords()},
	}
	spec, _ := SpecOf(m.Kind())
	if spec.ReadOuts != nil {
		outs = append(outs, spec.ReadOuts(m, w)...)
	}
	if b.IsCovered(i) {
		for j := range outs {
			outs[j].Text = Hidden
		}
	}
	return outs
}

func label(id string, w say.Words) string { return say.New("label." + id).Text(w) }
