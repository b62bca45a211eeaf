package task

import (
	"maps"
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/chance"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/mistake"
	"unitbloom/core/place"
	"unitbloom/core/say"
	"unitbloom/core/sentence"
)

var fill = Spec{
	Kind: "fill", Title: "Fill gaps", Doc: "Complete sentences, bonds, chains and tables.",
	About: "a sentence, bond 9: 5 □, chain 7 +10 □ +10 □, table number | tens | ones; 46 | □ | □; any of them several " +
		"times",
	Sample: []string{"8 + □ = 9 + 4", "bond 9: □ □", "chain 37 +10 □ +10 □ -3 □",
		"table number | tens | ones; 46 | □ | □; □ | 3 | 7",
		"table number | + 10; 17 | □; □ | 35"},
	Options: []method.Option{
		{Name: "from", Doc: "Where what fills the gaps comes from.", Choices: []string{"writing", "a bank"}},
		{Name: "seed", Doc: "The order of the bank: another number, another order."},
	},
	read: readFill,
	from: fillOfScene,
}

// item is one line, or the rows of a table under one head: what stands there, and the
// sentences that are true when it is right.
type item struct {
	kind string
	// cells are texts; a gap is sentence.Unknown. says are the cells of each sentence, and write
	// is the sentence.
	cells []string
	says  [][]int
	write func(says []int, cells []string) string
	// places are the places that the cells of a table's row count.
	places []place.Place
}

// filling is lines with gaps.
type filling struct {
	items []item
	// heads are what the columns of a table say, by the item that begins it.
	heads map[int][]string
	bank  []string
}

func readFill(t Task) (work, error) {
	f := filling{heads: map[int][]string{}}
	for _, about := range t.About {
		if err := f.add(strings.TrimSpace(about)); err != nil {
			return nil, err
		}
	}
	if f.gaps() == 0 {
		return nil, say.Refuse("task-no-gap")
	}
	found := f.found()
	if found == nil {
		return nil, say.Refuse("task-no-answer")
	}
	if t.Options["from"] == "a bank" {
		f.bank = bankOf(found[0], t.seed())
	}
	return f, nil
}

// bankOf is what fills the gaps with two spares, in an order of chance.
func bankOf(answer Answer, seed uint64) []string {
	texts := slices.Sorted(maps.Values(answer))
	spares := 2
	for _, text := range slices.Clone(texts) {
		n, err := place.Parse(text)
		if err != nil || spares == 0 {
			continue
		}
		if more, err := n.Add(place.Int(1)); err == nil && !slices.Contains(texts, more.String()) {
			texts = append(texts, more.String())
			spares--
		}
	}
	return shuffled(texts, chance.Source(seed+1))
}

// gap reads a gap however it is written.
func gap(text string) string {
	if text = strings.TrimSpace(text); text == "?" || text == "_" {
		return sentence.Unknown
	}
	return text
}

// add reads one line.
func (f *filling) add(text string) error {
	kind, rest, _ := strings.Cut(text, " ")
	switch kind {
	case Bond:
		return f.addBond(rest, text)
	case Chain:
		return f.addChain(rest, text)
	case "table":
		return f.addTable(rest, text)
	}
	return f.addSentence(text)
}

// badLine is the refusal of a line that is none of a kind.
func badLine(text, like string) error {
	return say.Refuse("task-line", say.Text("text", say.Given, text), say.Text("like", say.Name, like))
}

// addSentence parts a sentence at its gaps, so that there may be several.
func (f *filling) addSentence(text string) error {
	text = strings.NewReplacer("?", sentence.Unknown, "_", sentence.Unknown).Replace(text)
	it := item{kind: Sentence, write: func(_ []int, cells []string) string { return strings.Join(cells, "") }}
	for i, part := range strings.Split(text, sentence.Unknown) {
		if i > 0 {
			it.cells = append(it.cells, sentence.Unknown)
		}
		it.cells = append(it.cells, part)
	}
	it.says = [][]int{every(len(it.cells))}
	// It must be a sentence, whatever fills it.
	trial := strings.Replace(text, sentence.Unknown, "1", max(strings.Count(text, sentence.Unknown)-1, 0))
	if _, err := sentence.Judge(trial); err != nil {
		return err
	}
	f.items = append(f.items, it)
	return nil
}

func every(n int) []int {
	list := make([]int, n)
	for i := range list {
		list[i] = i
	}
	return list
}

func (f *filling) addBond(rest, text string) error {
	whole, parts, ok := strings.Cut(rest, ":")
	it := item{kind: Bond, cells: []string{gap(whole)}, write: func(_ []int, cells []string) string {
		return cells[0] + " = " + strings.Join(cells[1:], " + ")
	}}
	for _, part := range strings.Fields(parts) {
		it.cells = append(it.cells, gap(part))
	}
	if !ok || len(it.cells) < 3 || len(it.cells) > 5 || !numbers(it.cells) {
		return badLine(text, "bond 9: 5 □")
	}
	it.says = [][]int{every(len(it.cells))}
	f.items = append(f.items, it)
	return nil
}

// numbers reports whether each text is a number or a gap.
func numbers(texts []string) bool {
	return !slices.ContainsFunc(texts, func(text string) bool {
		_, err := place.Parse(text)
		return err != nil && text != sentence.Unknown
	})
}

// step reads what is done from one number of a chain to the next: +10, or × 10.
func step(text string) (string, bool) {
	text = strings.NewReplacer("-", "−", "–", "−", "x", "×", "*", "×", "/", "÷", " ", "").Replace(text)
	sign, number := "", text
	for _, s := range []string{"+", "−", "×", "÷"} {
		if after, ok := strings.CutPrefix(text, s); ok {
			sign, number = s, after
		}
	}
	_, err := place.Parse(number)
	return sign + " " + number, err == nil && sign != ""
}

func (f *filling) addChain(rest, text string) error {
	it := item{kind: Chain, write: func(says []int, cells []string) string {
		return cells[says[0]] + " " + cells[says[1]] + " = " + cells[says[2]]
	}}
	for i, part := range strings.Fields(rest) {
		if i%2 == 0 {
			it.cells = append(it.cells, gap(part))
			continue
		}
		by, ok := step(part)
		if !ok {
			return badLine(text, "chain 7 +10 □ +10 □")
		}
		it.cells = append(it.cells, by)
		it.says = append(it.says, []int{i - 1, i, i + 1})
	}
	var stops []string
	for i := 0; i < len(it.cells); i += 2 {
		stops = append(stops, it.cells[i])
	}
	if len(it.cells) < 3 || len(it.cells)%2 == 0 || !numbers(stops) {
		return badLine(text, "chain 7 +10 □ +10 □")
	}
	f.items = append(f.items, it)
	return nil
}

// addTable reads heads and rows: a number with its places, or a number and what comes of it.
func (f *filling) addTable(rest, text string) error {
	like := "table number | tens | ones; 46 | □ | □"
	lines := strings.Split(rest, ";")
	var heads, steps []string
	var places []place.Place
	for i, head := range strings.Split(lines[0], "|") {
		head = strings.TrimSpace(head)
		by, isStep := step(head)
		p, err := place.ParsePlace(head)
		switch {
		case i == 0 && head == "number":
		case i > 0 && isStep:
			head, steps = by, append(steps, by)
		case i > 0 && err == nil:
			places = append(places, p)
		default:
			return badLine(text, like)
		}
		heads = append(heads, head)
	}
	if len(lines) < 2 || len(heads) < 2 || len(steps) > 0 && len(places) > 0 {
		return badLine(text, like)
	}
	f.heads[len(f.items)] = heads
	for _, line := range lines[1:] {
		it := item{kind: Row, places: places}
		for _, cell := range strings.Split(line, "|") {
			it.cells = append(it.cells, gap(cell))
		}
		if len(it.cells) != len(heads) || !numbers(it.cells) {
			return badLine(line, like)
		}
		if len(places) > 0 {
			it.says = [][]int{every(len(heads))}
			it.write = func(_ []int, cells []string) string {
				var terms []string
				for i, p := range places {
					terms = append(terms, p.Value().String()+" × "+cells[i+1])
				}
				return cells[0] + " = " + strings.Join(terms, " + ")
			}
		} else {
			for i := range steps {
				it.says = append(it.says, []int{0, i + 1})
			}
			it.write = func(says []int, cells []string) string {
				return cells[0] + " " + steps[says[1]-1] + " = " + cells[says[1]]
			}
		}
		f.items = append(f.items, it)
	}
	return nil
}

// gaps is how many there are.
func (f filling) gaps() int {
	n := 0
	for _, it := range f.items {
		n += it.gaps()
	}
	return n
}

func (it item) gaps() int {
	n := 0
	for _, cell := range it.cells {
		if cell == sentence.Unknown {
			n++
		}
	}
	return n
}

// filled is the item with its gaps filled, in order.
func (it item) filled(with []string) item {
	it.cells = slices.Clone(it.cells)
	for i, cell := range it.cells {
		if cell == sentence.Unknown && len(with) > 0 {
			it.cells[i], with = orGap(with[0]), with[1:]
		}
	}
	return it
}

func orGap(text string) string {
	if text == "" {
		return sentence.Unknown
	}
	return text
}

// open are the cells of a sentence that have nothing in them yet.
func (it item) open(says []int) []int {
	return slices.DeleteFunc(slices.Clone(says), func(i int) bool { return it.cells[i] != sentence.Unknown })
}

// holds reports whether a sentence of the item, all filled, is true.
func (it item) holds(says []int) bool {
	v, err := sentence.Judge(it.write(says, it.cells))
	return err == nil && v.State == "true"
}

// solutions are ways to fill an item, at most so many: first what follows from what is there;
// a place of a table has its digit, and anything else is tried from the smallest.
func (it item) solutions(most int) [][]string {
	var list [][]string
	gaps := slices.Clone(it.cells)
	var solve func(now item)
	solve = func(now item) {
		if len(list) >= most {
			return
		}
		var tried []int
		for _, says := range now.says {
			switch open := now.open(says); {
			case len(open) == 0 && !now.holds(says):
				return
			case len(open) == 1:
				text := now.write(says, now.cells)
				v, err := sentence.Judge(text)
				switch {
				case err != nil:
				case v.Answer != "":
					solve(now.with(open[0], v.Answer))
				case strings.ContainsAny(text, "<>"):
					for _, text := range now.fitting(says, open[0]) {
						solve(now.with(open[0], text))
					}
				}
				return
			case len(open) > 1 && tried == nil:
				tried = open
			}
		}
		if tried == nil {
			var with []string
			for i, cell := range gaps {
				if cell == sentence.Unknown {
					with = append(with, now.cells[i])
				}
			}
			list = append(list, with)
			return
		}
		for _, text := range now.candidates(tried[0]) {
			solve(now.with(tried[0], text))
		}
	}
	solve(it)
	return list
}

// fitting are numbers that fit a gap where more than one may, as in 8 + □ < 12: of those to 20,
// and those beside a number of the sentence.
func (it item) fitting(says []int, at int) []string {
	var tried, fit []string
	for n := range 21 {
		tried = append(tried, strconv.Itoa(n))
	}
	noDigit := func(r rune) bool { return r < '0' || r > '9' }
	for _, text := range strings.FieldsFunc(it.write(says, it.cells), noDigit) {
		if n, err := strconv.Atoi(text); err == nil {
			tried = append(tried, strconv.Itoa(n+1), strconv.Itoa(max(0, n-1)))
		}
	}
	for _, text := range tried {
		if it.with(at, text).holds(says) && !slices.Contains(fit, text) {
			fit = append(fit, text)
		}
	}
	return fit
}

// candidates are what a gap might hold where nothing tells: what a class would write first.
func (it item) candidates(at int) []string {
	if len(it.places) > 0 && at > 0 {
		if n, err := place.Parse(it.cells[0]); err == nil {
			own := it.own(n.Number, at)
			list := []string{strconv.Itoa(own)}
			if own > 0 {
				list = append(list, strconv.Itoa(own-1))
			}
			return list
		}
	}
	var list []string
	if quotient, ok := wholeQuotient(it.cells[0]); ok && it.kind == Sentence {
		list = append(list, quotient)
	}
	for n := 1; n <= 120; n++ {
		list = append(list, strconv.Itoa(n))
	}
	return append(list, "0")
}

// wholeQuotient is how often a whole number goes into another, of what is written before
// the gaps of 97 ÷ 4 = □ r □.
func wholeQuotient(text string) (string, bool) {
	left, _, equals := strings.Cut(text, "=")
	a, b, divides := strings.Cut(strings.NewReplacer("/", "÷", ":", "÷").Replace(left), "÷")
	x, errX := strconv.Atoi(strings.TrimSpace(a))
	y, errY := strconv.Atoi(strings.TrimSpace(b))
	if !equals || !divides || errX != nil || errY != nil || y < 1 {
		return "", false
	}
	return strconv.Itoa(x / y), true
}

func (it item) with(at int, text string) item {
	it.cells = slices.Clone(it.cells)
	it.cells[at] = text
	return it
}

// found are ways to fill all gaps, the first as the answer page has it; nil where an item has
// none.
func (f filling) found() []Answer {
	list := make([]Answer, 3)
	for i := range list {
		list[i] = Answer{}
	}
	n := 0
	for _, it := range f.items {
		ways := it.solutions(len(list))
		if len(ways) == 0 {
			return nil
		}
		for i := range list {
			for k, text := range ways[i%len(ways)] {
				list[i][strconv.Itoa(n+k+1)] = text
			}
		}
		n += it.gaps()
	}
	return list
}

func (f filling) face(w say.Vocabulary) Face {
	ask := "task.fill"
	if f.bank != nil {
		ask = "task.fill.bank"
	}
	face := Face{Ask: say.New(ask).Text(w), Bank: slices.Clone(f.bank)}
	n := 0
	for i, it := range f.items {
		if heads, begins := f.heads[i]; begins {
			line := FaceLine{Kind: Heads}
			for _, head := range heads {
				text := head
				if p, err := place.ParsePlace(head); err == nil {
					text = w.PlaceName(p, 2)
				}
				line.Cells = append(line.Cells, FaceCell{Text: text})
			}
			face.Lines = append(face.Lines, line)
		}
		line := FaceLine{Kind: it.kind}
		for _, cell := range it.cells {
			if cell != sentence.Unknown {
				line.Cells = append(line.Cells, FaceCell{Text: cell})
				continue
			}
			n++
			id := strconv.Itoa(n)
			line.Cells = append(line.Cells, FaceCell{Blank: id})
			face.Blanks = append(face.Blanks, Blank{ID: id, Gives: Numeral})
		}
		face.Lines = append(face.Lines, line)
	}
	return face
}

// given are the texts of an answer for the gaps of an item whose first is so much after n.
func (it item) given(a Answer, n int) (ids, texts []string) {
	for k := range it.gaps() {
		id := strconv.Itoa(n + k + 1)
		ids, texts = append(ids, id), append(texts, a[id])
	}
	return ids, texts
}

func (f filling) mark(a Answer) []Part {
	var parts []Part
	n := 0
	for _, it := range f.items {
		ids, texts := it.given(a, n)
		wrong := it.filled(texts).faults()
		for k, id := range ids {
			parts = append(parts, judged(a, id, !wrong[it.gapAt(k)]))
		}
		n += it.gaps()
	}
	return parts
}

// gapAt is the cell of a gap.
func (it item) gapAt(k int) int {
	for i, cell := range it.cells {
		if cell == sentence.Unknown {
			if k == 0 {
				return i
			}
			k--
		}
	}
	return -1
}

// faults are the cells of the sentences that are not true. In a row of places a digit that is
// the number's own is no fault, and in a chain what follows rightly from the number before.
func (it item) faults() map[int]bool {
	wrong := map[int]bool{}
	for _, says := range it.says {
		if len(it.open(says)) == 0 && it.holds(says) {
			continue
		}
		switch {
		case it.kind == Chain:
			wrong[says[2]] = true
			if says[0] == 0 {
				wrong[0] = true
			}
			continue
		case it.kind == Row && len(it.places) == 0:
			wrong[says[0]], wrong[says[1]] = true, true
			continue
		}
		for _, i := range says {
			wrong[i] = !it.ownDigit(i)
		}
	}
	return wrong
}

// ownDigit reports whether a cell of a table's row is the digit of the row's number.
func (it item) ownDigit(i int) bool {
	if len(it.places) == 0 || i == 0 {
		return false
	}
	n, errN := place.Parse(it.cells[0])
	digit, err := place.Parse(it.cells[i])
	if err != nil || errN != nil {
		return false
	}
	count, whole := digit.Whole()
	return whole && count == it.own(n.Number, i)
}

// own is what a cell of a row has of the row's number: its digit, and in the largest place
// what is above it too.
func (it item) own(n place.Number, i int) int {
	if i == 1 {
		return n.Count(it.places[0])
	}
	return n.Digit(it.places[i-1])
}

func (f filling) right() []Answer {
	list := f.found()
	// What is written with more zeros or spaces than need be is as right.
	spaced := Answer{}
	for at, text := range list[0] {
		spaced[at] = " " + text + " "
	}
	return append(list, spaced)
}

func (f filling) wrong() []Answer {
	first := f.found()[0]
	list := []Answer{changed(first, "1", "")}
	for _, at := range slices.Sorted(maps.Keys(first)) {
		n, err := place.Parse(first[at])
		if err != nil {
			continue
		}
		for _, by := range []int{1, 10} {
			if more, err := n.Add(place.Int(by)); err == nil {
				list = append(list, changed(first, at, more.String()))
			}
		}
	}
	return list
}

func (f filling) problem(a Answer) (mistake.Problem, string) {
	n := 0
	for _, it := range f.items {
		ids, texts := it.given(a, n)
		n += it.gaps()
		if it.kind != Sentence || len(ids) != 1 || it.filled(texts).holds(it.says[0]) {
			continue
		}
		return problemOf(strings.Join(it.cells, "")), texts[0]
	}
	return mistake.Problem{}, ""
}

// problemOf is what mistakes are looked for in where a sentence has one gap: the sum or the
// difference where its answer is asked for, and else the unknown.
func problemOf(text string) mistake.Problem {
	left, answer, ok := strings.Cut(text, "=")
	if ok && strings.TrimSpace(answer) == sentence.Unknown {
		if r, err := method.Typed("", left); err == nil {
			return mistake.Problem{Method: r.Method, Args: numbersIn(r.Args)}
		}
	}
	return mistake.Problem{Method: "unknown", Args: []string{strings.ReplaceAll(text, sentence.Unknown, "?")}}
}

// numbersIn are the arguments that are numbers.
func numbersIn(args []string) []string {
	return slices.DeleteFunc(slices.Clone(args), func(a string) bool {
		_, err := place.Parse(a)
		return err != nil
	})
}

// mostSteps is how many steps of a chain stand in one line.
const mostSteps = 5

// fillOfScene is what a class could fill in of a scene: the problem of an example as a
// sentence, all the parts of a whole as a bond, or a number with its places as a table.
func fillOfScene(sc lesson.Scene) (Task, bool) {
	t := Task{Kind: "fill"}
	if n, _, ok := numberOfScene(sc); ok {
		heads, cells := "number", n.String()
		bottom := place.Ones
		for bottom > place.Smallest && !wholeOf(n, bottom) {
			bottom--
		}
		for p := max(n.Top(), place.Tens); p >= bottom; p-- {
			heads += " | " + p.Plural()
			cells += " | " + sentence.Unknown
		}
		t.About = []string{"table " + heads + "; " + cells}
		return t, true
	}
	if sc.Made == nil {
		return t, false
	}
	problem, args := sc.Made.Problem, sc.Made.Args
	switch {
	case sc.Made.Method == "count" && len(args) == 3:
		steps, _ := strconv.Atoi(args[2])
		by := strings.Replace(args[1], "-", "−", 1)
		if !strings.HasPrefix(by, "−") {
			by = "+" + by
		}
		t.About = []string{"chain " + args[0] + strings.Repeat(" "+by+" "+sentence.Unknown, min(steps, mostSteps))}
	case sc.Made.Method == "more-less":
		chain := strings.Fields(strings.NewReplacer(" + ", " +", " − ", " −").Replace(problem))
		t.About = []string{"chain " + strings.Join(chain, " "+sentence.Unknown+" ") + " " + sentence.Unknown}
		t.About[0] = strings.Replace(t.About[0], " "+sentence.Unknown, "", 1) // the start is there
	case sc.Made.Method == "pattern":
		for _, one := range strings.Split(problem, ", ") {
			t.About = append(t.About, one+" = "+sentence.Unknown)
		}
	case sc.Made.Method == "difference":
		t.About = []string{strings.Replace(problem, " and ", " − ", 1) + " = " + sentence.Unknown}
	case sc.Made.Method == "bonds" || sc.Made.Method == "snap":
		whole := numbersIn(sc.Made.Args)
		if len(whole) == 0 {
			return t, false
		}
		known := append(whole[1:], sentence.Unknown, sentence.Unknown)
		t.About = []string{"bond " + whole[0] + ": " + strings.Join(known[:2], " ")}
	case strings.ContainsAny(problem, "?"+sentence.Unknown):
		t.About = []string{problem}
	case strings.Contains(problem, "÷") && strings.Contains(sc.Made.Answer, "remainder"):
		t.About = []string{problem + " = " + sentence.Unknown + " r " + sentence.Unknown}
	default:
		t.About = []string{problem + " = " + sentence.Unknown}
	}
	return t, true
}

// wholeOf reports whether a number has no digit below a place.
func wholeOf(n place.Number, p place.Place) bool {
	for below := place.Smallest; below < p; below++ {
		if n.Digit(below) != 0 {
			return false
		}
	}
	return true
}
