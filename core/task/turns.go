package task

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/chance"
	"unitbloom/core/method"
	"unitbloom/core/mistake"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

var turns = Spec{
	Kind: "turns", Title: "Turns with dice or cards", Doc: "Turns of dice or cards make a number each: choose every " +
		"digit's place, draw it, tell its units, expand it.",
	About: "how many turns, how many are thrown, and what: 4 2 six", Sample: []string{"3", "2", "six"},
	Options: []method.Option{
		{Name: "thrown", Doc: "Whether a child throws for herself, or the throws stand there.",
			Choices: []string{"by the child", "already"}},
		{Name: "seed", Doc: "The throws: another number, others."},
	},
	read: readTurns,
}

// mostTurns is how many stand on one page.
const mostTurns = 10

// turning is turns to be taken.
type turning struct {
	turns, count int
	kind         string
	// thrown are the digits of each turn; nil where a child throws for herself.
	thrown [][]int
	seed   uint64
}

func readTurns(t Task) (work, error) {
	about := strings.Fields(strings.Join(t.About, " "))
	if len(about) != 3 {
		return nil, say.Refuse("task-turns", say.Int("most", say.Given, mostTurns))
	}
	turnCount, err1 := strconv.Atoi(about[0])
	count, err2 := strconv.Atoi(about[1])
	if err1 != nil || err2 != nil || turnCount < 1 || turnCount > mostTurns || count < 2 || count > 4 {
		return nil, say.Refuse("task-turns", say.Int("most", say.Given, mostTurns))
	}
	d := turning{turns: turnCount, count: count, kind: about[2], seed: t.seed()}
	throws, err := d.throws()
	if err != nil {
		return nil, err
	}
	if t.Options["thrown"] == "already" {
		d.thrown = throws
	}
	return d, nil
}

// throws are those of the seed, never all of them alike: there would be nothing to choose.
func (d turning) throws() ([][]int, error) {
	var list [][]int
	for seed := d.seed*1000 + 1; len(list) < d.turns; seed++ {
		digits, err := chance.Throw(d.kind, d.count, seed)
		if err != nil {
			return nil, err
		}
		if slices.Max(digits) > slices.Min(digits) {
			list = append(list, digits)
		}
	}
	return list, nil
}

// turnForms are the cells of a turn after what was thrown.
var turnForms = []string{Numeral, OnBoard, UnitForm, Expanded}

func turnAt(i int, form string) string { return "turn " + strconv.Itoa(i+1) + " " + form }

const thrownForm = "thrown"

func (d turning) face(w say.Vocabulary) Face {
	ask := say.New("task.turns")
	if d.thrown == nil {
		ask = say.New("task.turns."+d.kind, say.Int("count", say.Given, d.count)).And(ask)
	}
	f := Face{Ask: ask.Text(w)}
	heads := FaceLine{Kind: Heads, Cells: []FaceCell{{}}}
	for _, form := range append([]string{thrownForm}, turnForms...) {
		heads.Cells = append(heads.Cells, FaceCell{Text: formLabel(form, place.Place(d.count-1), place.Ones, w)})
	}
	f.Lines = []FaceLine{heads}
	for i := range d.turns {
		line := FaceLine{Kind: Row, Cells: []FaceCell{{Text: strconv.Itoa(i + 1)}}}
		if d.thrown != nil {
			line.Cells = append(line.Cells, FaceCell{Text: joined(d.thrown[i], ", ")})
		} else {
			line.Cells = append(line.Cells, FaceCell{Blank: turnAt(i, thrownForm)})
			f.Blanks = append(f.Blanks, Blank{ID: turnAt(i, thrownForm), Gives: Digits, Label: heads.Cells[1].Text})
		}
		for k, form := range turnForms {
			line.Cells = append(line.Cells, FaceCell{Blank: turnAt(i, form)})
			f.Blanks = append(f.Blanks, Blank{ID: turnAt(i, form), Gives: form, Label: heads.Cells[k+2].Text})
		}
		f.Lines = append(f.Lines, line)
	}
	return f
}

// start is what each turn's number is laid on.
func (d turning) start() (board.Board, error) {
	return building{number: place.Place(d.count - 1).Value(), spec: turnPieces()}.start()
}

// turnPieces are what the numbers of turns are shown with.
func turnPieces() board.ModelSpec {
	spec, _ := board.SpecOf("blocks")
	return spec
}

func joined(digits []int, with string) string {
	texts := make([]string, len(digits))
	for i, d := range digits {
		texts[i] = strconv.Itoa(d)
	}
	return strings.Join(texts, with)
}

// read are the turns that were taken, a line each; what was laid is seen.
func (d turning) read(a Answer, w say.Vocabulary) []string {
	lines := []string{}
	for i := range d.turns {
		thrown := strings.TrimSpace(a[turnAt(i, thrownForm)])
		if d.thrown != nil {
			thrown = joined(d.thrown[i], ", ")
		}
		var made []string
		for _, form := range []string{Numeral, UnitForm, Expanded} {
			if text := strings.TrimSpace(a[turnAt(i, form)]); text != "" {
				made = append(made, w.Spell(text))
			}
		}
		if len(made) > 0 {
			lines = append(lines, thrown+": "+strings.Join(made, " · "))
		}
	}
	return lines
}

// thrownIn are the digits of a turn: those that were thrown, or those that a child noted.
func (d turning) thrownIn(a Answer, i int) ([]int, bool) {
	if d.thrown != nil {
		return d.thrown[i], true
	}
	var digits []int
	for _, r := range a[turnAt(i, thrownForm)] {
		switch {
		case r >= '0' && r <= '9':
			digits = append(digits, int(r-'0'))
		case !strings.ContainsRune(" ,;", r):
			return nil, false
		}
	}
	return digits, len(digits) == d.count && !slices.ContainsFunc(digits, d.cannotShow)
}

// cannotShow reports whether what is thrown has no such side.
func (d turning) cannotShow(digit int) bool { return d.kind == "six" && (digit < 1 || digit > 6) }

// uses reports whether a number is made of digits, each used once; a zero may lead it.
func uses(n place.Number, digits []int) bool {
	made := make([]int, len(digits))
	for i := range made {
		made[i] = n.Digit(place.Place(i))
	}
	digits = slices.Clone(digits)
	slices.Sort(digits)
	slices.Sort(made)
	_, whole := n.Whole()
	return whole && int(n.Top()) < len(digits) && slices.Equal(digits, made)
}

func (d turning) mark(a Answer) []Part {
	var parts []Part
	for i := range d.turns {
		digits, thrown := d.thrownIn(a, i)
		if d.thrown == nil {
			parts = append(parts, of(judged(a, turnAt(i, thrownForm), thrown), thrownForm))
		}
		written, err := place.Parse(a[turnAt(i, Numeral)])
		right := err == nil && thrown && uses(written.Number, digits)
		parts = append(parts, of(judged(a, turnAt(i, Numeral), right), "digits"))
		// The other cells tell the number that the child made; where she made none, any that
		// could be.
		could := permuted(digits)
		if right {
			could = []place.Number{written.Number}
		}
		for _, form := range turnForms[1:] {
			at := turnAt(i, form)
			part := judged(a, at, thrown && slices.ContainsFunc(could, func(n place.Number) bool {
				return shows(form, a[at], n)
			}))
			if form == OnBoard {
				part = of(part, "board")
			}
			parts = append(parts, part)
		}
	}
	return parts
}

// of is a part whose question is of something particular.
func of(p Part, what string) Part {
	if !p.Right && !p.Empty {
		p.What = what
	}
	return p
}

// shows reports whether what stands in a cell tells a number.
func shows(form, text string, n place.Number) bool {
	if form != OnBoard {
		return tells(form, text, n)
	}
	b, err := board.Parse(text)
	return err == nil && len(b.Models) == 1 && board.Total(b.Models[0]) == n
}

// permuted are the numbers that digits make.
func permuted(digits []int) []place.Number {
	var list []place.Number
	var lay func(so int, left []int)
	lay = func(so int, left []int) {
		if len(left) == 0 {
			list = append(list, place.Int(so))
			return
		}
		for i, digit := range left {
			lay(10*so+digit, slices.Delete(slices.Clone(left), i, i+1))
		}
	}
	if len(digits) > 0 && len(digits) <= 4 {
		lay(0, digits)
	}
	return list
}

func (d turning) right() []Answer {
	throws, _ := d.throws()
	var list []Answer
	for turn := range 3 {
		a := Answer{}
		for i, digits := range throws {
			made := permuted(digits)
			n := made[turn%len(made)]
			if d.thrown == nil {
				a[turnAt(i, thrownForm)] = joined(digits, " ")
			}
			for _, form := range turnForms {
				a[turnAt(i, form)] = told(form, n, n.UnitForm())
			}
			at := building{number: n, spec: turnPieces()}
			a[turnAt(i, OnBoard)], _ = at.notation(n.String()) // four digits at most
			if whole, _ := n.Whole(); turn == 2 && whole > 9 {
				a[turnAt(i, UnitForm)] = place.UnitForm{{Place: place.Ones, Count: whole}}.String()
			}
		}
		list = append(list, a)
	}
	return list
}

func (d turning) wrong() []Answer {
	first := d.right()[0]
	n, _ := place.Parse(first[turnAt(0, Numeral)])
	more, _ := n.Add(place.Int(10))
	list := []Answer{changed(first, turnAt(0, Numeral), ""), changed(first, turnAt(d.turns-1, OnBoard), "blocks 0")}
	for _, form := range []string{UnitForm, Expanded} {
		list = append(list, changed(first, turnAt(0, form), told(form, more, more.UnitForm())))
	}
	if !uses(more, digitsOf(n)) {
		list = append(list, changed(first, turnAt(0, Numeral), more.String()))
	}
	return list
}

// digitsOf are the digits of a number.
func digitsOf(w place.Written) []int {
	var digits []int
	for _, d := range w.Digits() {
		digits = append(digits, d.Digit)
	}
	return digits
}

func (turning) problem(Answer) (mistake.Problem, string) { return mistake.Problem{}, "" }
