package door

import (
	"maps"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// held is what the open question asks for. It stands on no column, beside no row and in
// no read-out until it is answered, though the pieces lie there to be counted.
type held struct {
	// numbers are those of the answer, places the columns whose pieces it counts, with
	// how many. Worths are the values of what it counts, as a group tells them.
	numbers, worths map[string]bool
	places          map[place.Place]int
	// moved is whether the pieces lie as the question is about them. Before, what lies
	// there is what it is asked from, and only what is the answer already is held back.
	moved bool
	// all is whether a question is open: then no read-out tells a number.
	all bool
}

// heldBack is what is held back now.
func (s *session) heldBack(sc lesson.Scene) held {
	if !s.phase.Open() || s.step >= len(sc.Steps) {
		return held{}
	}
	step := sc.Steps[s.step]
	h := held{numbers: map[string]bool{}, worths: map[string]bool{}, places: map[place.Place]int{},
		moved: len(step.Moves) == 0 || step.Made(s.phase), all: true}
	if step.Asks == say.Explain {
		return h // a reason is asked for, of what the class knows already
	}
	for _, v := range step.Answer.Message.Values {
		if v.Role == say.Answer {
			h.add(v)
		}
	}
	w := s.doc.Words
	given := numerals(w.Plain(step.Say.Text(w) + " " + step.Ask.Text(w)))
	if s.step > 0 {
		before := sc.Steps[s.step-1]
		maps.Copy(given, numerals(w.Plain(before.Say.Text(w)+" "+before.Answer.Text(w))))
	}
	for _, before := range sc.Steps[:s.step] {
		// What stands in a bond before the class is asked for no more.
		for _, w := range before.Write {
			for _, n := range append([]string{w.Whole}, w.Parts...) {
				given[n] = true
			}
		}
	}
	maps.DeleteFunc(h.numbers, func(n string, _ bool) bool { return given[n] })
	if step.Answer.Own == "" {
		return h
	}
	for n := range numerals(w.Plain(step.Answer.Own)) {
		if !given[n] {
			h.numbers[n] = true
		}
	}
	return h
}

func (h held) add(v say.Value) {
	form := v.Form
	if n, err := place.Parse(v.Text); err == nil {
		if v.Place == nil {
			h.numbers[v.Text] = true
			return
		}
		if count, whole := n.Whole(); whole {
			form = append(form, place.Count{Place: *v.Place, Count: count})
		}
	}
	for _, c := range form {
		h.places[c.Place] = c.Count
	}
	if worth, err := form.Total(); err == nil && len(form) > 0 {
		h.worths[worth.String()] = true
	}
	for n := range numerals(v.Text) {
		if v.Place == nil {
			h.numbers[n] = true
		}
	}
}

// numerals are the numbers that a text has in digits.
func numerals(text string) map[string]bool {
	out := map[string]bool{}
	for _, word := range strings.FieldsFunc(text, func(r rune) bool { return !strings.ContainsRune("0123456789.", r) }) {
		if word = strings.Trim(word, "."); word != "" {
			out[word] = true
		}
	}
	return out
}

// count is a count as it may be seen. Where the pieces of a place are asked for, as many of
// another are not the answer.
func (h held) count(z board.Zone, text string) string {
	if h.numbers[text] && h.moved && (z.Place == nil || len(h.places) == 0) {
		return board.Hidden
	}
	if h.worths[text] && h.moved && z.Text != "" && z.ID != board.TakenZone {
		return board.Hidden
	}
	if z.Place != nil {
		if n, asked := h.places[*z.Place]; asked && (h.moved || strconv.Itoa(n) == text) {
			return board.Hidden
		}
	}
	return text
}
