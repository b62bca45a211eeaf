package method

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/model/blocks"
	"unitbloom/core/model/rack"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

var anyModel = []string{"blocks", "discs", "rack", "counters", "cubes"}

// build puts a number on a model, the largest place first, counted as it grows.
var build = Spec{
	ID: "build", Title: "Build a number", Operation: "number",
	Doc:    "The largest place first, counted aloud; then the digits under their places, expanded form, unit form and words.",
	Args:   "a number",
	Sample: []string{"146"}, Typed: "146",
	Limits: "Blocks and discs: whole numbers to 9,999; discs also decimals and numbers to 9,999,999; rack, counters and cubes to 100.",
	Models: anyModel,
	make:   makeBuild,
}

func makeBuild(r Request) (Example, error) {
	if len(r.Args) != 1 {
		return Example{}, needs(r)
	}
	w, err := place.Parse(r.Args[0])
	if err != nil {
		return Example{}, badNumber(err)
	}
	n := w.Number
	if err := fitsModel(r.Model, n); err != nil {
		return Example{}, err
	}
	whole, _ := n.Whole()
	m := begin(r, emptyBoard(r.Model, whole))
	m.key(lesson.Step{
		Say: line("build.start", say.Number("n", say.Given, n)),
		Ask: line("build.predict"), Answer: line("build.predict.answer", say.PlaceName("place", n.Top())),
		Look: line("look.first-digit"),
	})
	if n.IsZero() {
		m.step(lesson.Step{Say: line("build.none")})
	}
	var so place.Number
	for p := n.Top(); p >= place.Smallest; p-- {
		d := n.Digit(p)
		if d == 0 {
			continue
		}
		so, _ = so.Add(n.DigitValue(p))
		m.step(lesson.Step{
			Say: line("build.place", say.PlaceName("place", p)),
			Ask: line("build.ask", say.PlaceName("place", p)),
			Answer: line("build.answer", say.Pieces("pieces", say.Answer, d, p), say.PlaceName("place", p),
				say.Number("so", say.Answer, so)),
			Look:  line("look.place", say.PlaceName("place", p)),
			Moves: m.lay(d, p, 0),
			Write: []lesson.Write{digitCell("sum", p, d, board.Select{Place: p, State: "any"})},
		})
	}
	if r.Model == "blocks" && !n.IsZero() {
		m.step(lesson.Step{
			Say: line("build.sketch"), Ask: line("build.sketch.ask"),
			Answer: line("build.sketch."+strconv.Itoa(int(n.Top()-place.Ones)+1),
				say.PlaceName("o", place.Ones), say.PlaceName("t", place.Tens), say.PlaceName("h", place.Hundreds), say.PlaceName("k", place.Thousands)),
			Moves: []board.Move{{Kind: "style", Args: blocks.StyleArgs{Style: "sketch"}}},
		})
	}
	m.key(lesson.Step{
		Say: line("build.check"),
		Ask: line("build.check.ask"), Answer: line("build.check.answer", say.Form("form", say.Answer, n.UnitForm()),
			answerText("words", w.Words(true))),
		Write: []lesson.Write{
			m.sentence(n.Expanded(), n.String()),
			{Kind: "text", Text: w.Words(true)},
			{Kind: "text", Text: m.r.words().UnitForm(n.UnitForm())},
		},
	})
	return m.end(n.String(), n.String())
}

// fitsModel refuses a number that a model does not hold.
func fitsModel(kind string, n place.Number) error {
	most := map[string]int{"blocks": 9999, "rack": 100, "counters": 100, "cubes": 100}[kind]
	if kind == "discs" {
		return nil
	}
	if whole, ok := n.Whole(); !ok || whole > most {
		return say.Refuse("method-holds", say.Number("n", say.Given, n), say.Text("model", say.Name, kind), say.Int("most", say.Given, most))
	}
	return nil
}

// read goes from the pieces to the number: tens counted first, then on by ones.
var read = Spec{
	ID: "read", Title: "Read a number", Operation: "number",
	Doc:    "From the pieces to the numeral: each place counted, what is ten or more of a place told as the next.",
	Args:   "a board in notation",
	Sample: []string{"blocks 1h 4t 6o"}, Typed: "blocks 1h 4t 6o",
	Limits: "Any blocks, discs, rack, counters or cubes.",
	Models: anyModel,
	make:   makeRead,
	read:   func(text string) []string { return []string{text} },
}

func makeRead(r Request) (Example, error) {
	notation := strings.Join(r.Args, " ")
	kind, _, _ := strings.Cut(notation, " ")
	if r.Model = kind; !slices.Contains(anyModel, kind) {
		return Example{}, needs(r)
	}
	b, err := board.Parse(notation)
	if err != nil || len(b.Models) != 1 {
		return Example{}, needs(r)
	}
	m := begin(r, notation)
	total := board.Total(b.Models[0])
	form := b.Models[0].InPlay()
	m.step(lesson.Step{Say: line("read.start"), Ask: line("read.first"), Answer: line("read.first.answer"), Look: line("look.all")})
	var so place.Number
	for _, c := range form {
		v, _ := c.Place.Value().Times(c.Count)
		so, _ = so.Add(v)
		s := lesson.Step{
			Say: line("read.place", say.PlaceName("place", c.Place)),
			Ask: line("build.ask", say.PlaceName("place", c.Place)),
			Answer: line("read.answer", say.Pieces("pieces", say.Answer, c.Count, c.Place),
				say.Number("value", say.Answer, v), say.Number("so", say.Answer, so)),
			Look: line("look.place", say.PlaceName("place", c.Place)),
		}
		if kind != "rack" {
			s.Moves = []board.Move{ringed(c.Place, c.Count)}
		}
		m.key(s)
	}
	if len(form) == 0 {
		m.step(lesson.Step{Say: line("read.none")})
	}
	m.key(lesson.Step{
		Say: line("read.write"), Ask: line("read.write.ask"),
		Answer: line("read.write.answer", say.Form("form", say.Answer, total.UnitForm()), say.Number("n", say.Answer, total)),
		Write:  []lesson.Write{m.sentence(total.Expanded(), total.String()), {Kind: "text", Text: total.Words(true)}},
	})
	return m.end(notation, total.String())
}

// count goes on in equal steps, crossing tens and hundreds.
var count = Spec{
	ID: "count", Title: "Count on in steps", Operation: "number",
	Doc:    "From a start in steps of 1, 2, 5, 10, 100 or 1,000: each number said in ordinary and in place-value words, tens and hundreds crossed on the model.",
	Args:   "a start, a step, and how many",
	Sample: []string{"37", "10", "8"}, Typed: "37, 10, 8",
	Limits: "Steps of 1, 2, 5, 10, 100 or 1,000; 1 to 30 of them; to 9,999.",
	Models: []string{"blocks", "discs"},
	make:   makeCount,
	read: func(text string) []string {
		return strings.FieldsFunc(text, func(r rune) bool { return r == ' ' || r == ',' })
	},
}

func makeCount(r Request) (Example, error) {
	a, err := arguments(r, [2]int{0, 9999}, [2]int{1, 1000}, [2]int{1, 30})
	if err != nil {
		return Example{}, err
	}
	start, by, times := a[0], a[1], a[2]
	p, each := stepOf(by)
	if each == 0 {
		return Example{}, say.Refuse("count-step", given("n", by))
	}
	if start+by*times > 9999 {
		return Example{}, say.Refuse("method-range", given("n", start+by*times), given("least", 0), given("most", 9999))
	}
	m := begin(r, r.Model+" 0")
	m.step(lesson.Step{
		Say: line("count.start", given("n", start), given("by", by)),
		Ask: line("count.predict", given("by", by)), Answer: line("count.predict.answer", say.PlaceName("place", p)),
		Moves: []board.Move{{Kind: "build", Args: amountOf(start)}},
		Write: []lesson.Write{row(strconv.Itoa(start), place.Int(start).Words(true), place.Int(start).PlaceWords())},
	})
	for i := 1; i <= times; i++ {
		n := place.Int(start + by*i)
		said, tens := "count.answer", crossed(m.r.words(), place.Int(start+by*(i-1)), n, p)
		if tens != "" {
			said = "count.crossed"
		}
		s := lesson.Step{
			Say:    line("count.next", given("by", by)),
			Ask:    line("count.ask"),
			Answer: line(said, say.Number("n", say.Answer, n), answerText("words", n.Words(true)), answerText("placeWords", n.PlaceWords()), answerText("crossed", tens)),
			Moves:  m.countNew(),
			Write:  []lesson.Write{row(n.String(), n.Words(true), n.PlaceWords())},
		}
		for range each {
			s.Moves = append(s.Moves, stepped(p, false))
		}
		m.step(s)
	}
	all, end := by*times, strconv.Itoa(start+by*times)
	if times > 1 {
		m.step(lesson.Step{
			Say: line("count.check"), Ask: line("count.check.ask", given("times", times), given("by", by), given("start", start)),
			Answer: line("count.check.answer", answer("all", all), given("start", start), answer("end", start+all)),
			Write:  []lesson.Write{m.sentence(sumText([2]int{start, all}), end)},
		})
	}
	return m.end(strconv.Itoa(start)+" in steps of "+strconv.Itoa(by), end)
}

// stepOf is the place and the number of pieces of a step: 5 is five ones.
func stepOf(by int) (place.Place, int) {
	switch by {
	case 1, 2, 5:
		return place.Ones, by
	case 10:
		return place.Tens, 1
	case 100:
		return place.Hundreds, 1
	case 1000:
		return place.Thousands, 1
	}
	return 0, 0
}

// teens shows the numbers from ten to twenty as one ten and so many ones.
var teens = Spec{
	ID: "teens", Title: "Ten and so many", Operation: "number",
	Doc:    "A number from 10 to 20 as one ten and so many ones, or the run of all; the fast way set against one by one.",
	Args:   "a number from 10 to 20, or run",
	Sample: []string{"13"}, Typed: "13",
	Limits: "10 to 20, or the word run.",
	Models: []string{"rack"},
	make:   makeTeens,
}

func makeTeens(r Request) (Example, error) {
	if len(r.Args) != 1 {
		return Example{}, needs(r)
	}
	m := begin(r, "rack 2: 0 0")
	if r.Args[0] == "run" {
		for n := 10; n <= 20; n++ {
			m.oneTeen(n, n == 10)
		}
		m.key(lesson.Step{Say: line("teens.run"), Ask: line("teens.run.ask"), Answer: line("teens.run.answer")})
		return m.end("10 to 20", "20")
	}
	n, err := wholeNumber(r.Args[0], 10, 20)
	if err != nil {
		return Example{}, err
	}
	m.oneTeen(n, true)
	m.step(lesson.Step{
		Say: line("teens.slow", given("n", n)), Ask: line("teens.slow.ask"),
		Answer: line("teens.slow.answer", answer("slow", n), answer("fast", fastPushes(n))),
		Moves:  []board.Move{{Kind: "home"}}, Write: []lesson.Write{row("one by one", strconv.Itoa(n)), row("by tens", strconv.Itoa(fastPushes(n)))},
	})
	m.step(lesson.Step{
		Say: line("teens.check"), Ask: line("teens.check.ask"), Answer: line("teens.check.answer", answer("n", n)),
		Moves: []board.Move{{Kind: "build", Args: rack.NumberArgs{Amount: strconv.Itoa(n)}}},
	})
	return m.end(strconv.Itoa(n), strconv.Itoa(n))
}

func fastPushes(n int) int {
	if n == 10 || n == 20 {
		return 1
	}
	return 2
}

// oneTeen shows one number from 10 to 20: a whole row, and what more.
func (m *maker) oneTeen(n int, first bool) {
	ones := n - 10
	rows := []rack.Push{{Row: 1, To: 10}, {Row: 2, To: ones}}
	var moves []board.Move
	if first {
		moves = append(moves, push(rows[0]))
	}
	if ones > 0 {
		moves = append(moves, push(rows[1]))
	}
	id, sentence := "teens.some", m.sentence("10 + "+strconv.Itoa(ones), strconv.Itoa(n))
	switch n {
	case 10:
		id, sentence = "teens.ten", m.sentence("10 + 0", "10")
	case 20:
		id, sentence = "teens.twenty", m.sentence("10 + 10", "20")
	}
	v := place.Int(n)
	m.key(lesson.Step{
		Say: line("teens.say"), Ask: line("teens.ask"),
		Answer: line(id, answer("ones", ones), answer("n", n), answerText("placeWords", v.PlaceWords()), answerText("words", v.Words(true))),
		Moves:  moves, Write: []lesson.Write{sentence},
	})
}
