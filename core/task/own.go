package task

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/mistake"
	"unitbloom/core/place"
	"unitbloom/core/say"
	"unitbloom/core/sentence"
)

var own = Spec{
	Kind: "own", Title: "A sentence of her own", Doc: "A number sentence of her own within conditions, told one by one; " +
		"shown on a board too if wanted.",
	About:  ownForm,
	Sample: []string{"sum, at most 20, regroup, both ways round"},
	Free:   true,
	read:   readOwn,
}

// ownForm shows the text form.
const ownForm = "sum, difference or product, then conditions: at most 20, regroup, both ways round, " +
	"on counters, two colours"

// Conditions of a sentence of one's own, beside that it is true and of its kind.
const (
	atMost   = "most"
	regroup  = "regroup"
	otherWay = "turned"
	onBoard  = "board"
	coloured = "coloured"
)

// ownOps are the signs of a kind of sentence.
var ownOps = map[string]string{"sum": "+", "difference": "−", "product": "×"}

// mostOwn is the largest total that is asked for.
const mostOwn = 1000

// owning is a sentence that a child makes.
type owning struct {
	of      string
	most    int
	regroup bool
	turned  bool
	spec    *board.ModelSpec
	// coloured has the two numbers of a sum be seen apart on the board.
	coloured bool
}

func readOwn(t Task) (work, error) {
	o := owning{most: mostOwn}
	for i, part := range strings.Split(strings.Join(t.About, " "), ",") {
		part = strings.TrimSpace(part)
		limit, limits := strings.CutPrefix(part, "at most ")
		kind, shows := strings.CutPrefix(part, "on ")
		spec, known := board.SpecOf(kind)
		n, err := strconv.Atoi(limit)
		switch {
		case i == 0 && ownOps[part] != "":
			o.of = part
		case i > 0 && limits && err == nil && n >= 4 && n <= mostOwn:
			o.most = n
		case i > 0 && part == regroup:
			o.regroup = true
		case i > 0 && part == "both ways round":
			o.turned = true
		case i > 0 && part == "two colours":
			o.coloured = true
		case i > 0 && shows && known:
			o.spec = &spec
		default:
			return nil, badLine(part, ownForm)
		}
	}
	apart := o.spec != nil && o.spec.Acts.Parts != nil
	if o.turned && o.of == "difference" || o.coloured && (o.of != "sum" || !apart) || len(o.found()) < 3 {
		return nil, say.Refuse("task-own-none")
	}
	return o, nil
}

// parted is a sentence a + b = c, whichever side comes first.
type parted struct{ a, b, c int }

// part reads a sentence with the sign that is wanted.
func (o owning) part(text string) (parted, bool) {
	text = strings.NewReplacer("-", "−", "–", "−", "x", "×", "*", "×", " ", "").Replace(text)
	left, right, equals := strings.Cut(text, "=")
	if strings.Contains(right, ownOps[o.of]) {
		left, right = right, left
	}
	first, second, has := strings.Cut(left, ownOps[o.of])
	a, errA := strconv.Atoi(first)
	b, errB := strconv.Atoi(second)
	c, errC := strconv.Atoi(right)
	return parted{a, b, c}, equals && has && errA == nil && errB == nil && errC == nil
}

// result is what a true sentence has after its equals sign.
func (o owning) result(a, b int) int {
	switch o.of {
	case "difference":
		return a - b
	case "product":
		return a * b
	}
	return a + b
}

// largest is the number of a sentence that a limit is for.
func (o owning) largest(p parted) int {
	if o.of == "difference" {
		return p.a
	}
	return p.c
}

// regroups reports whether ten of a place come together, or one has to be opened.
func (o owning) regroups(p parted) bool {
	for a, b := p.a, p.b; a > 0 || b > 0; a, b = a/10, b/10 {
		if o.of == "difference" && a%10 < b%10 || o.of != "difference" && a%10+b%10 >= 10 {
			return true
		}
	}
	return false
}

func (o owning) write(p parted) string {
	return strconv.Itoa(p.a) + " " + ownOps[o.of] + " " + strconv.Itoa(p.b) + " = " + strconv.Itoa(p.c)
}

// found are the first sentences that meet all conditions.
func (o owning) found() (list []parted) {
	for a := 2; a <= o.most && len(list) < 3; a++ {
		for b := 2; b <= o.most && len(list) < 3; b++ {
			p := parted{a, b, o.result(a, b)}
			if p.c > 0 && o.largest(p) <= o.most && (!o.regroup || o.of == "product" || o.regroups(p)) && a != b {
				list = append(list, p)
			}
		}
	}
	return list
}

func (o owning) face(w say.Vocabulary) Face {
	ask := say.New("task.own." + o.of)
	if o.most < mostOwn {
		ask = ask.And(say.New("task.own.most", say.Int("most", say.Given, o.most)))
	}
	switch {
	case o.regroup && o.of == "sum":
		ask = ask.And(say.New("task.own.bundle"))
	case o.regroup && o.of == "difference":
		ask = ask.And(say.New("task.own.unbundle"))
	}
	if o.turned {
		ask = ask.And(say.New("task.own.turned"))
	}
	f := Face{Blanks: []Blank{{ID: Sentence, Gives: Sentence, Label: say.New("task.own.mine").Text(w)}}}
	if o.turned {
		f.Blanks = append(f.Blanks, Blank{ID: otherWay, Gives: Sentence, Label: say.New("task.own.other").Text(w)})
	}
	if o.spec != nil {
		shown := "task.own.board"
		if o.coloured {
			shown = "task.own.board.coloured"
		}
		ask = ask.And(say.New(shown, inWords(*o.spec)))
		f.Blanks = append(f.Blanks, Blank{ID: onBoard, Gives: OnBoard})
	}
	f.Ask = ask.Text(w)
	return f
}

// start is the board that the sentence is shown on.
func (o owning) start() (board.Board, error) {
	if o.spec == nil {
		return board.Board{}, say.Refuse("task-own-none")
	}
	return building{number: place.Int(min(o.most, 100)), spec: *o.spec}.start()
}

func (o owning) mark(a Answer) []Part {
	p, reads := o.part(a[Sentence])
	v, err := sentence.Judge(a[Sentence])
	parts := []Part{judged(a, Sentence, reads && err == nil && v.State == "true")}
	unmet := func(at, what string, met bool) {
		if !met {
			parts = append(parts, Part{At: at, What: what})
		}
	}
	if reads {
		unmet(Sentence, atMost, o.largest(p) <= o.most)
		unmet(Sentence, regroup, !o.regroup || o.of == "product" || o.regroups(p))
	}
	if o.turned {
		q, reads2 := o.part(a[otherWay])
		parts = append(parts, judged(a, otherWay, reads2 && q.c == o.result(q.a, q.b)))
		if reads && reads2 {
			unmet(otherWay, otherWay, q.a == p.b && q.b == p.a)
		}
	}
	if o.spec != nil {
		shown, err := board.Parse(a[onBoard])
		there := err == nil && len(shown.Models) == 1
		parts = append(parts, judged(a, onBoard, there))
		if there && reads {
			unmet(onBoard, onBoard, board.Total(shown.Models[0]) == place.Int(p.c))
			unmet(onBoard, coloured, !o.coloured || o.apart(shown.Models[0], p))
		}
	}
	return parts
}

// apart reports whether the two numbers of a sum are seen on a model, whichever lies first.
func (o owning) apart(m board.Model, p parted) bool {
	if m.Kind() != o.spec.Kind {
		return false
	}
	parts := o.spec.Parts(m)
	a, b := place.Int(p.a), place.Int(p.b)
	return slices.Equal(parts, []place.Number{a, b}) || slices.Equal(parts, []place.Number{b, a})
}

func (o owning) answer(p parted) Answer {
	a := Answer{Sentence: o.write(p)}
	if o.turned {
		a[otherWay] = o.write(parted{p.b, p.a, p.c})
	}
	if o.spec != nil {
		b := building{number: place.Int(p.c), spec: *o.spec}
		amount := strconv.Itoa(p.c)
		if o.coloured {
			amount = strconv.Itoa(p.a) + " + " + strconv.Itoa(p.b)
		}
		a[onBoard], _ = b.notation(amount)
	}
	return a
}

func (o owning) right() (list []Answer) {
	for _, p := range o.found() {
		list = append(list, o.answer(p))
	}
	back := slices.Clone(o.found())[0]
	sides := strings.Split(o.write(back), " = ")
	return append(list, changed(list[0], Sentence, sides[1]+" = "+sides[0]))
}

func (o owning) wrong() []Answer {
	right := o.right()[0]
	p := o.found()[0]
	list := []Answer{{}, changed(right, Sentence, o.write(parted{p.a, p.b, p.c + 1})),
		changed(right, Sentence, strconv.Itoa(p.c))}
	if o.most < mostOwn {
		big := parted{o.most + 3, 2, o.result(o.most+3, 2)}
		list = append(list, changed(right, Sentence, o.write(big)))
	}
	if o.turned {
		list = append(list, changed(right, otherWay, right[Sentence]))
	}
	if o.coloured {
		plain := owning{of: o.of, most: o.most, spec: o.spec}.answer(p)
		list = append(list, changed(right, onBoard, plain[onBoard]))
	}
	return list
}

func (o owning) problem(Answer) (mistake.Problem, string) { return mistake.Problem{}, "" }
