package task

import (
	"slices"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/mistake"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// nothing is the choice of no cover, and of no board beside.
const nothing = "none"

var read = Spec{
	Kind: "read", Title: "Read numbers", Doc: "Write what a board shows, in one or more forms.",
	About: "a board in its text form", Sample: []string{"blocks 1h 3t 16o"},
	Options: []method.Option{
		{Name: "forms", Doc: "The forms that are asked for, parted by commas: number, units, expanded, words; the number " +
			"when left out."},
		{Name: "look", Doc: "How long the board is seen.", Choices: []string{"as long as wanted", "two seconds"}},
		{Name: "cover", Doc: "The pieces under a cover; then the whole is told, and what is covered is asked for.",
			Choices: []string{nothing, "ones", "tens", "hundreds", "thousands"}},
	},
	read: readRead,
	keyed: func(t Task) bool {
		cover := t.Options["cover"]
		return cover != "" && cover != nothing
	},
	from: func(sc lesson.Scene) (Task, bool) {
		_, _, ok := numberOfScene(sc)
		if !ok {
			return Task{}, false
		}
		b, _ := sc.At(len(sc.Steps))
		b.Models = b.Models[:1]
		return Task{Kind: "read", About: []string{board.Print(b)}}, true
	},
}

// forms are what can be asked for, in the order in which they are.
var forms = []string{Numeral, UnitForm, Expanded, InWords}

// reading is a board to be read.
type reading struct {
	board   board.Board
	total   place.Number
	forms   []string
	glimpse bool
	// cover is the place that is covered, and hidden what lies there.
	cover  *place.Place
	hidden place.Number
}

func readRead(t Task) (work, error) {
	b, err := board.Parse(strings.Join(t.About, " "))
	if err != nil {
		return nil, err
	}
	if len(b.Models) != 1 {
		return nil, say.Refuse("task-one-model")
	}
	r := reading{board: b, total: board.Total(b.Models[0]), glimpse: t.Options["look"] == "two seconds"}
	for _, form := range strings.Split(t.Options["forms"], ",") {
		if form = strings.TrimSpace(form); form == "" {
			continue
		}
		if !slices.Contains(forms, form) {
			return nil, say.Refuse("bad-option", say.Text("option", say.Given, "forms"), say.Text("value", say.Given, form),
				say.Text("choices", say.Given, strings.Join(forms, ", ")))
		}
		r.forms = append(r.forms, form)
	}
	if len(r.forms) == 0 {
		r.forms = []string{Numeral}
	}
	if name := t.Options["cover"]; name != nothing {
		at, err := place.ParsePlace(name)
		if err != nil {
			return nil, err
		}
		count := b.Models[0].InPlay().Of(at)
		if r.hidden, err = (place.Count{Place: at, Count: count}).Value(); err != nil || count == 0 {
			return nil, say.Refuse("none-here", say.PlaceName("what", at))
		}
		r.cover, r.forms = &at, []string{Numeral}
	}
	return r, nil
}

// asked is the number that is to be told.
func (r reading) asked() place.Number {
	if r.cover != nil {
		return r.hidden
	}
	return r.total
}

func (r reading) face(w say.Vocabulary) Face {
	f := Face{Ask: say.New("task.read").Text(w), Glimpse: r.glimpse, Boards: []Picture{{Board: board.Print(r.board)}}}
	if r.cover != nil {
		left := place.FromCounts(func(p place.Place) int {
			if p == *r.cover {
				return 0
			}
			return r.board.Models[0].InPlay().Of(p)
		})
		spec, _ := board.SpecOf(r.board.Models[0].Kind())
		seen := building{number: r.total, spec: spec}
		f.Ask = say.New("task.read.covered", say.Number("whole", say.Given, r.total)).Text(w)
		text, _ := seen.notation(left.String()) // fewer pieces than lie there
		f.Boards = []Picture{{Board: text, Covered: r.cover.Plural()}}
	}
	top, low := place.Tens, place.Ones
	for _, c := range r.board.Models[0].InPlay() {
		top, low = max(top, c.Place), min(low, c.Place)
	}
	for _, form := range r.forms {
		f.Blanks = append(f.Blanks, Blank{ID: form, Gives: form, Label: formLabel(form, top, low, w)})
	}
	return f
}

// formLabel is what a form of a number is called, of which the pieces have places from top to low.
func formLabel(form string, top, low place.Place, w say.Vocabulary) string {
	if form == UnitForm {
		return w.Places(top, low)
	}
	return say.New("task.form." + form).Text(w)
}

func (r reading) mark(a Answer) []Part {
	var parts []Part
	for _, form := range r.forms {
		parts = append(parts, judged(a, form, tells(form, a[form], r.asked())))
	}
	return parts
}

// tells reports whether a text tells a number in a form. Units may be those that lie there or
// any others that are worth as much; spelling is forgiven where it is plain what is meant.
func tells(form, text string, n place.Number) bool {
	switch form {
	case Numeral:
		w, err := place.Parse(text)
		return err == nil && w.Number == n
	case UnitForm:
		u, err := place.ParseUnitForm(text)
		if err != nil {
			return false
		}
		total, err := u.Total()
		return err == nil && total == n
	case Expanded:
		return expands(text, n)
	}
	return saysInWords(text, n)
}

// expands reports whether a sum has the values of the digits of a number, each once and in
// any order.
func expands(text string, n place.Number) bool {
	var sum place.Number
	places := map[place.Place]bool{}
	for _, part := range strings.Split(text, "+") {
		w, err := place.Parse(part)
		if err != nil {
			return false
		}
		if w.IsZero() {
			continue
		}
		form := w.UnitForm()
		if len(form) != 1 || places[form[0].Place] {
			return false
		}
		places[form[0].Place] = true
		if sum, err = sum.Add(w.Number); err != nil {
			return false
		}
	}
	return sum == n
}

// told is a number in a form, as it is written on the answer page.
func told(form string, n place.Number, lying place.UnitForm) string {
	switch form {
	case UnitForm:
		return lying.String()
	case Expanded:
		return n.Expanded()
	case InWords:
		return n.Words(true)
	}
	return n.String()
}

func (r reading) right() []Answer {
	n := r.asked()
	first, other, third := Answer{}, Answer{}, Answer{}
	for _, form := range r.forms {
		first[form] = told(form, n, n.UnitForm())
		other[form], third[form] = first[form], first[form]
		switch form {
		case Numeral:
			other[form], third[form] = " "+first[form], first[form]+" "
		case UnitForm:
			other[form] = r.board.Models[0].InPlay().String()
			if whole, ok := n.Whole(); ok {
				third[form] = place.UnitForm{{Place: place.Ones, Count: whole}}.String()
			}
		case Expanded:
			parts := strings.Split(first[form], " + ")
			slices.Reverse(parts)
			other[form] = strings.Join(parts, " + ")
			third[form] = strings.Join(parts, "+")
		case InWords:
			other[form] = n.Words(false)
			third[form] = strings.ToUpper(strings.ReplaceAll(n.Words(true), "-", " "))
		}
	}
	return []Answer{first, other, third}
}

func (r reading) wrong() []Answer {
	right := r.right()[0]
	list := []Answer{changed(right, r.forms[0], "")}
	n := r.asked()
	for _, by := range []place.Number{place.Int(1), place.Int(10), place.Int(100)} {
		more, err := n.Add(by)
		if err != nil {
			continue
		}
		for _, form := range r.forms {
			list = append(list, changed(right, form, told(form, more, more.UnitForm())))
		}
	}
	if r.forms[0] == Numeral && r.cover == nil {
		for _, s := range mistake.Slips(r.slips()) {
			list = append(list, changed(right, Numeral, s.Answer))
		}
	}
	return list
}

func (r reading) slips() mistake.Problem {
	return mistake.Problem{Method: "read", Args: []string{board.Print(r.board)}}
}

func (r reading) problem(a Answer) (mistake.Problem, string) {
	if r.cover != nil {
		return mistake.Problem{}, ""
	}
	return r.slips(), a[Numeral]
}
