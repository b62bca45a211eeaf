package task

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/mistake"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// What pieces a number is to be built of.
const (
	anyPieces = "any"
	fewest    = "fewest"
	tensOnes  = "tens and ones"
)

var build = Spec{
	Kind: "build", Title: "Show numbers", Doc: "Show a number on a model, in one or more ways.",
	About: "a number", Sample: []string{"146"},
	Options: []method.Option{
		{Name: "on", Doc: "The model.", Choices: []string{"blocks", "discs", "counters", "rack", "cubes"}},
		{Name: "ways", Doc: "In how many different ways.", Choices: []string{"1", "2", "3"}},
		{Name: "pieces", Doc: "Which pieces may be used.", Choices: []string{anyPieces, fewest, tensOnes}},
		{Name: "most", Doc: "How many pieces may be used at most; any number when left out."},
		{Name: "as", Doc: "Whether it is laid with pieces, or drawn quickly.", Choices: []string{"pieces", "quick drawing"}},
	},
	read: readBuild,
	from: func(sc lesson.Scene) (Task, bool) {
		n, kind, ok := numberOfScene(sc)
		return Task{Kind: "build", About: []string{n.String()}, Options: map[string]string{"on": kind}}, ok
	},
}

// building is a number to be shown.
type building struct {
	number place.Number
	spec   board.ModelSpec
	ways   int
	pieces string
	most   int
	drawn  bool
}

func readBuild(t Task) (work, error) {
	form, err := place.ParseAmount(strings.Join(t.About, " "))
	if err != nil {
		return nil, board.BadNumber(err)
	}
	b := building{pieces: t.Options["pieces"], drawn: t.Options["as"] == "quick drawing"}
	b.number, _ = form.Total()
	b.spec, _ = board.SpecOf(t.Options["on"])
	b.ways, _ = strconv.Atoi(t.Options["ways"])
	if text := t.Options["most"]; text != "" {
		if b.most, err = strconv.Atoi(text); err != nil || b.most < 1 {
			return nil, say.Refuse("bad-option", say.Text("option", say.Given, "most"), say.Text("value", say.Given, text),
				say.Text("choices", say.Given, "1, 2, 3 …"))
		}
	}
	if len(b.found()) >= b.ways {
		return b, nil
	}
	// Where the model does not hold the number at all, it says why.
	if _, err := b.notation(b.number.String()); err != nil {
		return nil, err
	}
	return nil, say.Refuse("task-ways", say.Number("number", say.Given, b.number), say.Int("ways", say.Given, b.ways))
}

// bare is the model with nothing on it, as large as it comes for the number.
func (b building) bare() (board.Board, error) {
	room, _ := b.number.Whole()
	return board.Parse(b.spec.Empty(min(room, max(b.spec.Most, 10))))
}

// start is the model with nothing on it, and room for the number: columns up to its largest
// place, where the model has columns.
func (b building) start() (board.Board, error) {
	laid, err := b.bare()
	form := b.number.UnitForm()
	if err != nil || b.spec.Acts.Reach == nil || len(form) == 0 {
		return laid, err
	}
	laid, _, err = board.Apply(laid, b.spec.Acts.Reach(form[0].Place))
	return laid, err
}

// notation is the model's text form of an amount, or why it does not hold it.
func (b building) notation(amount string) (string, error) {
	laid, err := b.bare()
	if err == nil {
		laid, _, err = board.Apply(laid, b.spec.Acts.Build(amount))
	}
	return board.Print(laid), err
}

// mostFound is how many arrangements are looked for.
const mostFound = 8

// found are arrangements of the number that meet the conditions, in notation.
func (b building) found() []string {
	var list []string
	for _, amount := range b.amounts() {
		text, err := b.notation(amount)
		if err != nil {
			continue
		}
		laid, err := board.Parse(text)
		if err != nil || board.Total(laid.Models[0]) != b.number {
			continue
		}
		unlike := !slices.ContainsFunc(list, func(other string) bool { return b.alike(other, text) })
		if unlike && b.met(laid.Models[0]) == "" {
			list = append(list, text)
		}
		if len(list) == mostFound {
			break
		}
	}
	return list
}

// amounts are ways to type the number: as few pieces as there can be, then one piece after
// another opened, then in two parts.
func (b building) amounts() []string {
	form := b.number.UnitForm()
	list := []string{b.number.String()}
	if b.pieces == tensOnes {
		n, _ := b.number.Whole()
		for tens := n / 10; tens >= 0; tens-- {
			list = append(list, place.FromCounts(func(p place.Place) int {
				return map[place.Place]int{place.Tens: tens, place.Ones: n - 10*tens}[p]
			}).String())
		}
	}
	for range 3 * mostFound {
		at := slices.IndexFunc(form, func(c place.Count) bool { return c.Count > 0 && c.Place > place.Smallest })
		for i, c := range form {
			if c.Count > 0 && c.Place > place.Smallest && c.Place > place.Ones {
				at = i // the smallest piece that can be opened into whole ones
			}
		}
		if at < 0 {
			break
		}
		opened := form[at].Place
		form = place.FromCounts(func(p place.Place) int {
			switch p {
			case opened:
				return form.Of(p) - 1
			case opened - 1:
				return form.Of(p) + 10
			}
			return form.Of(p)
		})
		list = append(list, form.String())
	}
	if n, whole := b.number.Whole(); whole {
		for first := n - 1; first >= 1 && first > n-12; first-- {
			list = append(list, strconv.Itoa(first)+" + "+strconv.Itoa(n-first))
		}
	}
	return list
}

// met is the condition that pieces do not meet, or nothing.
func (b building) met(m board.Model) string {
	form := m.InPlay()
	switch {
	case b.pieces == fewest && slices.ContainsFunc(form, func(c place.Count) bool { return c.Count > 9 }) && b.places():
		return fewest
	case b.pieces == tensOnes && slices.ContainsFunc(form,
		func(c place.Count) bool { return c.Place > place.Tens || c.Place < place.Ones }):
		return "tens"
	case b.most > 0 && form.Pieces() > b.most:
		return "most"
	}
	return ""
}

// places reports whether the model has pieces of several places.
func (b building) places() bool { return b.spec.Most == 0 || b.spec.Most > 100 }

// alike reports whether two boards show the number in the same way: with as many pieces of
// each place, or where all are single things, lying alike.
func (b building) alike(one, other string) bool {
	x, errX := board.Parse(one)
	y, errY := board.Parse(other)
	if errX != nil || errY != nil {
		return false
	}
	if b.places() {
		return x.Models[0].InPlay().String() == y.Models[0].InPlay().String()
	}
	return board.Print(board.Canonical(x)) == board.Print(board.Canonical(y))
}

// inWords is a model as a sentence names it: a single thing has an article.
func inWords(spec board.ModelSpec) say.Value {
	name := strings.ToLower(spec.Title)
	if !strings.HasSuffix(name, "s") {
		name = "the " + name
	}
	return say.Text("model", say.Name, name)
}

func (b building) face(w say.Vocabulary) Face {
	model := inWords(b.spec)
	number := say.Number("number", say.Given, b.number)
	ask := say.New("task.build", number, model)
	switch {
	case b.drawn:
		ask = say.New("task.build.draw", number, model)
	case b.ways > 1:
		ask = say.New("task.build.ways", number, model, say.Int("ways", say.Given, b.ways))
	}
	switch {
	case b.pieces == fewest:
		ask = ask.And(say.New("task.build.fewest"))
	case b.pieces == tensOnes:
		ask = ask.And(say.New("task.build.tens"))
	}
	if b.most > 0 {
		ask = ask.And(say.New("task.build.most", say.Int("most", say.Given, b.most)))
	}
	head := "task.build.head"
	if b.drawn {
		head = "task.build.draw.head"
	}
	f := Face{Ask: ask.Text(w), Of: w.Spell(b.number.String()), Head: say.New(head).Text(w)}
	for i := range b.ways {
		f.Blanks = append(f.Blanks, Blank{ID: b.blank(i), Gives: OnBoard})
	}
	return f
}

func (b building) blank(i int) string {
	if b.ways == 1 {
		return "board"
	}
	return "way " + strconv.Itoa(i+1)
}

func (b building) mark(a Answer) []Part {
	var parts []Part
	for i := range b.ways {
		at := b.blank(i)
		shown, err := board.Parse(a[at])
		here := err == nil && len(shown.Models) == 1 && shown.Models[0].Kind() == b.spec.Kind
		parts = append(parts, judged(a, at, here && board.Total(shown.Models[0]) == b.number))
		if !here {
			continue
		}
		if unmet := b.met(shown.Models[0]); unmet != "" {
			parts = append(parts, Part{At: at, What: unmet})
		}
		for before := range i {
			if b.alike(a[b.blank(before)], a[at]) {
				parts = append(parts, Part{At: at, What: "different"})
				break
			}
		}
	}
	return parts
}

func (b building) right() []Answer {
	found := b.found()
	var list []Answer
	for start := range len(found) {
		a := Answer{}
		for i := range b.ways {
			a[b.blank(i)] = found[(start+i)%len(found)]
		}
		list = append(list, a)
	}
	return list
}

func (b building) wrong() []Answer {
	right, at := b.right()[0], b.blank(0)
	list := []Answer{changed(right, at, "")}
	amounts := []string{"0"}
	for _, s := range mistake.Slips(mistake.Problem{Method: "build", Args: []string{b.number.String()}}) {
		amounts = append(amounts, s.Answer)
	}
	for _, by := range []int{1, 2, 10} {
		if more, err := b.number.Add(place.Int(by)); err == nil {
			amounts = append(amounts, more.String())
		}
	}
	for _, amount := range amounts {
		if text, err := b.notation(amount); err == nil {
			list = append(list, changed(right, at, text))
		}
	}
	return list
}

func (b building) problem(a Answer) (mistake.Problem, string) {
	p := mistake.Problem{Method: "build", Args: []string{b.number.String()}}
	for i := range b.ways {
		if shown, err := board.Parse(a[b.blank(i)]); err == nil && board.Total(shown.Models[0]) != b.number {
			return p, board.Total(shown.Models[0]).String()
		}
	}
	return p, ""
}

// numberOfScene is the number that a scene is about, and the model that shows it: what a free
// board shows, or what an example builds or reads.
func numberOfScene(sc lesson.Scene) (n place.Number, kind string, ok bool) {
	if !sc.Page.Shows() || sc.Page == lesson.WordPage {
		return n, "", false
	}
	if sc.Made != nil && sc.Made.Method != "build" && sc.Made.Method != "read" && sc.Made.Method != "teens" {
		return n, "", false
	}
	b, _ := sc.At(len(sc.Steps))
	if len(b.Models) == 0 {
		return n, "", false
	}
	n = board.Total(b.Models[0])
	return n, b.Models[0].Kind(), !n.IsZero()
}
