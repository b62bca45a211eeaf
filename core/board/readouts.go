package board

import (
	"slices"
	"strings"

	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Hidden stands in a read-out whose number is under a cover.
const Hidden = "?"

// ReadOuts are what model i says of its number, in the class's words. While
// anything of the model is covered, each says Hidden unless it gives nothing
// away.
func (b Board) ReadOuts(i int, w say.Vocabulary) []ReadOut {
	m := b.Models[i]
	form := m.InPlay()
	total := totalOf(form)
	spec, _ := SpecOf(m.Kind())
	outs := []ReadOut{
		{ID: "numeral", Label: label("numeral", w), Text: total.String()},
		{ID: "expanded", Label: label("expanded", w), Text: total.Expanded()},
		{ID: "unitForm", Label: label("unitForm", w), Text: w.UnitForm(form)},
		{ID: "words", Label: label("words", w), Text: total.Words(true)},
		{ID: "placeWords", Label: label("placeWords", w), Text: total.PlaceWords()},
	}
	covers := b.CoversOn(i)
	if spec.Parts != nil {
		outs = append(outs, bond(total, spec.Parts(m), w))
	}
	if spec.ReadOuts != nil {
		outs = append(outs, spec.ReadOuts(m, w, covers)...)
	}
	if len(covers) == 0 {
		return outs
	}
	for j := range outs {
		if !outs[j].Safe {
			outs[j].Text, outs[j].Whole, outs[j].Parts = Hidden, Hidden, nil
		}
	}
	return outs
}

// Numbers are the numbers on a board, each once; none where nothing lies.
func (b Board) Numbers() string {
	var all []string
	for _, m := range b.Models {
		if n := Total(m); !n.IsZero() && !slices.Contains(all, n.String()) {
			all = append(all, n.String())
		}
	}
	return strings.Join(all, ", ")
}

// bond is the whole with its parts, in the order they lie. With fewer than two
// parts there is nothing to join.
func bond(whole place.Number, parts []place.Number, w say.Vocabulary) ReadOut {
	r := ReadOut{ID: "bond", Label: w.BondName(), Text: "–", Whole: whole.String()}
	if len(parts) < 2 {
		return r
	}
	for _, p := range parts {
		r.Parts = append(r.Parts, p.String())
	}
	r.Text = r.Whole + " = " + strings.Join(r.Parts, " + ")
	return r
}

func label(id string, w say.Vocabulary) string { return say.New("label." + id).Text(w) }
