package door

import (
	"maps"
	"slices"
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
	// named are the places that the question names, if any: a number is of their columns then.
	named []place.Place
	// all is whether a question is open: then no read-out tells a number.
	all bool
}

// heldBack is what is held back now.
func (s *session) heldBack(sc lesson.Scene) held {
	if !s.phase.Open() || s.step >= len(sc.Steps) {
		return held{}
	}
	step := sc.Steps[s.step]
	h := held{all: true}
	if step.Asks == say.Explain {
		return h // a reason is asked for, of what the class knows already
	}
	return s.asked(sc, s.step, len(step.Moves) == 0 || step.Made(s.phase), step.Answer)
}

// asked is what the answer of step i holds back, or what it tells without having asked. What is
// given with it, or in the step before, is known.
func (s *session) asked(sc lesson.Scene, i int, moved bool, answer say.Line) held {
	step, w := sc.Steps[i], s.doc.Words
	h := held{numbers: map[string]bool{}, worths: map[string]bool{}, places: map[place.Place]int{}, moved: moved,
		named: step.Ask.Message.Places(), all: true}
	for _, v := range answer.Message.All() {
		if v.Role == say.Answer {
			h.add(v)
		}
	}
	given := numerals(w.Plain(step.Ask.Text(w)))
	if !step.Ask.IsZero() {
		maps.Copy(given, numerals(w.Plain(step.Say.Text(w))))
	}
	if i > 0 {
		before := sc.Steps[i-1]
		maps.Copy(given, numerals(w.Plain(before.Say.Text(w)+" "+before.Answer.Text(w))))
	}
	for _, before := range sc.Steps[:i] {
		// What stands in a bond before the class is asked for no more.
		for _, w := range before.Write {
			for _, n := range append([]string{w.Whole}, w.Parts...) {
				given[n] = true
			}
		}
	}
	maps.DeleteFunc(h.numbers, func(n string, _ bool) bool { return given[n] })
	if answer.Own == "" {
		return h
	}
	for n := range numerals(w.Plain(answer.Own)) {
		if !given[n] {
			h.numbers[n] = true
		}
	}
	return h
}

// stillToCount are the counts that a later step asks for or tells, of pieces that lie until then
// as they do now, by model and zone: nobody counts what stands there already. What was told is known.
func (s *session) stillToCount(sc lesson.Scene, told []say.Value) map[lesson.ZoneOf]string {
	if s.step >= len(sc.Steps) {
		return nil
	}
	b, fits := sc.At(s.step)
	if fits < s.step {
		return nil
	}
	now := countsOf(b)
	maps.DeleteFunc(now, func(_ lesson.ZoneOf, z board.Zone) bool {
		return slices.ContainsFunc(told, func(v say.Value) bool { return tells(v, z) })
	})
	out := map[lesson.ZoneOf]string{}
	for i := s.step; i < len(sc.Steps) && len(now) > 0; i++ {
		step := sc.Steps[i]
		next, err := board.ApplyAll(b, step.Moves)
		if err != nil {
			break
		}
		before, answer := maps.Clone(now), say.Line{Message: step.Say.Message}
		maps.DeleteFunc(now, changedIn(next))
		of := now // of what lies there when it is said
		if !step.Ask.IsZero() {
			answer = step.Answer
			if !step.Asks.MovesFirst() {
				of = before
			}
		}
		if step.Asks != say.Explain && (i > s.step || s.phase == lesson.Rest) {
			for at, z := range of {
				if s.countsOut(sc, i, answer, z) {
					out[at] = countOf(z)
				}
			}
		}
		b = next
	}
	return out
}

// countsOut reports whether the answer of step i is the count of a zone: of the pieces of a place
// that the step speaks of, or of all that lie in a row or a frame.
func (s *session) countsOut(sc lesson.Scene, i int, answer say.Line, z board.Zone) bool {
	if z.Place == nil {
		return s.asked(sc, i, true, answer).numbers[countOf(z)]
	}
	question := sc.Steps[i].Ask
	if question.IsZero() {
		question = sc.Steps[i].Say
	}
	return slices.Contains(question.Message.Places(), *z.Place) &&
		slices.ContainsFunc(answer.Message.All(), func(v say.Value) bool {
			return v.Role == say.Answer && len(v.Form) == 0 && tells(v, z)
		})
}

// told are the values of all that was said so far.
func (s *session) told(sc lesson.Scene) []say.Value {
	var out []say.Value
	for _, step := range sc.Steps[:min(s.step, len(sc.Steps))] {
		out = append(append(out, step.Say.Message.All()...), step.Answer.Message.All()...)
	}
	if s.phase != lesson.Rest {
		out = append(out, sc.Steps[s.step].Say.Message.All()...)
	}
	if s.phase == lesson.Answered {
		out = append(out, sc.Steps[s.step].Answer.Message.All()...)
	}
	return out
}

// tells reports whether a value tells the count of a zone, be it as a digit.
func tells(v say.Value, z board.Zone) bool {
	if z.Place == nil {
		return v.Place == nil && numerals(v.Text)[countOf(z)]
	}
	if n, err := place.Parse(v.Text); err == nil && v.Place == nil {
		return n.Digit(*z.Place) == z.Count
	}
	return tellsPieces(v, z)
}

// summed is a zone as it may be told: what its addends make, once that was said, though they lie
// apart.
func summed(z board.Zone, told []say.Value) board.Zone {
	if z.Place != nil && slices.ContainsFunc(told, func(v say.Value) bool { return tellsPieces(v, z) }) {
		z.Text = ""
	}
	return z
}

func tellsPieces(v say.Value, z board.Zone) bool {
	return v.Place != nil && *v.Place == *z.Place && v.Text == strconv.Itoa(z.Count) ||
		slices.Contains(v.Form, place.Count{Place: *z.Place, Count: z.Count})
}

// countOf is what stands as the count of a zone.
func countOf(z board.Zone) string {
	if z.Text != "" {
		return z.Text
	}
	return strconv.Itoa(z.Count)
}

// countsOf are the zones of a board that have something to count.
func countsOf(b board.Board) map[lesson.ZoneOf]board.Zone {
	out := map[lesson.ZoneOf]board.Zone{}
	for i := range b.Models {
		for _, z := range b.Lay(i).Zones {
			if z.Count > 0 && !z.Hidden && (z.Place == nil || z.Text == "") { // addends apart tell no sum
				out[lesson.ZoneOf{Model: i, Zone: z.ID}] = z
			}
		}
	}
	return out
}

// changedIn is whether a zone has another count on a board.
func changedIn(b board.Board) func(lesson.ZoneOf, board.Zone) bool {
	there := countsOf(b)
	return func(at lesson.ZoneOf, z board.Zone) bool { return countOf(there[at]) != countOf(z) }
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

// asksOf reports whether the question may be of a place: it names that, or none.
func (h held) asksOf(p place.Place) bool { return len(h.named) == 0 || slices.Contains(h.named, p) }

// count is a count as it may be seen. Where the pieces of a place are asked for, as many of
// another are not the answer.
func (h held) count(z board.Zone, text string) string {
	if h.numbers[text] && h.moved && (z.Place == nil || len(h.places) == 0 && h.asksOf(*z.Place)) {
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
