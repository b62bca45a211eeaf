package method

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// unitFact works a product or a quotient of round numbers by a fact and its unit: 3 tens
// times 4 is 12 tens.
var unitFact = Spec{
	ID: "unit-fact", Title: "A fact and its unit", Operation: "multiply",
	Doc: "30 × 4, 300 × 40, 0.3 × 4 or 120 ÷ 4 by the fact that is known, 3 × 4, and its unit: 3 tens times 4 is 12 " +
		"tens, and what 12 tens are.",
	Args:   "a number of tens, hundreds, tenths …, × or ÷, and a number",
	Sample: []string{"30", "x", "4"}, Typed: "30 × 4",
	Limits: "A number to 12 of one place, × a number to 12 of another, or ÷ 1 to 12; to 9,999,999.",
	Models: []string{"discs", "blocks"},
	Signs:  "×÷",
	Options: []Option{
		choice("check", "How it is checked.", "by the inverse", "none"),
	},
	stops: groupStops,
	grow:  growUnitFact,
	make:  makeUnitFact,
}

// units are a number of pieces of one place: 30 is 3 tens.
type units struct {
	count int
	at    place.Place
}

// unitsOf are the fewest pieces of one place that make a number.
func unitsOf(n place.Number) units {
	for p := n.Top(); p >= place.Smallest; p-- {
		if v, err := p.Value().Times(n.Count(p)); err == nil && v == n {
			return units{n.Count(p), p}
		}
	}
	return units{0, place.Ones}
}

func (u units) number() (place.Number, error) { return u.at.Value().Times(u.count) }

// drawn is another number of pieces, of the same place or, up to thousands, of one that is further from the
// ones.
func (u units) drawn(count int, draw func(int) int) string {
	switch further := draw(2); {
	case u.at > place.Ones && u.at < place.Thousands:
		u.at += place.Place(further)
	case u.at < place.Ones && u.at > place.Smallest:
		u.at -= place.Place(further)
	}
	n, err := units{count, u.at}.number()
	if err != nil {
		return ""
	}
	return n.String()
}

func growUnitFact(args []string, draw func(int) int) []string {
	a, err := place.Parse(args[0])
	b, errB := place.Parse(args[2])
	if err != nil || errB != nil {
		return args
	}
	x, y := 2+draw(8), 2+draw(8)
	if mirrored(args[1]) == "÷" {
		return []string{unitsOf(a.Number).drawn(x*y, draw), args[1], strconv.Itoa(y)}
	}
	return []string{unitsOf(a.Number).drawn(x, draw), args[1], unitsOf(b.Number).drawn(y, draw)}
}

// unitHardness is what makes a fact and its unit harder: the table, that it comes to ten or more, and how
// far the unit is from the ones.
func unitHardness(a, b int, at ...place.Place) hardness {
	h := tablesHardness(a, b)
	h["harder.unit"], h["harder.bundled"] = 0, min(1, a*b/10)
	for _, p := range at {
		h["harder.unit"] += int(max(p, -p))
	}
	return h
}

func makeUnitFact(r Request) (Example, error) {
	if len(r.Args) != 3 {
		return Example{}, needs(r)
	}
	var n [2]place.Number
	for i, at := range []int{0, 2} {
		w, err := place.Parse(r.Args[at])
		if err != nil {
			return Example{}, badNumber(err)
		}
		n[i] = w.Number
	}
	if mirrored(r.Args[1]) == "÷" {
		return unitQuotient(r, n[0], n[1])
	}
	return unitProduct(r, n[0], n[1])
}

func unitProduct(r Request, a, b place.Number) (Example, error) {
	x, y := unitsOf(a), unitsOf(b)
	problem := a.String() + " × " + b.String()
	if x.at < place.Ones && y.at < place.Ones {
		return Example{}, say.Refuse("unit-whole", text("a", a.String()), text("b", b.String()))
	}
	if y.at < place.Ones {
		a, b, x, y = b, a, y, x // 300 × 0.2 is 2 tenths, 300 times
	}
	if err := fitsModel(r.Model, a); err != nil {
		return Example{}, err
	}
	if x.count < 1 || x.count > 12 || y.count < 1 || y.count > 12 || x.at == place.Ones && y.at == place.Ones {
		return Example{}, needs(r)
	}
	fact := timesText(x.count, y.count)
	if x.at == place.Ones {
		a, b, x, y = b, a, y, x // 3 × 20 is 2 tens, 3 times
	}
	product := units{x.count * y.count, x.at}
	all, err := product.number()
	if err == nil {
		all, err = all.Shift(int(y.at))
	}
	if err != nil || fitsModel(r.Model, all) != nil || product.at+y.at > place.Largest {
		return Example{}, say.Refuse("unit-range", text("a", a.String()), text("b", b.String()))
	}
	m := begin(r, r.Model+" 0")
	at := say.PlaceName("place", x.at)
	m.step(lesson.Step{
		Say:   line("unit.is", say.Number("a", say.Given, a), say.Pieces("pieces", say.Given, x.count, x.at)),
		Moves: m.lay(x.count, x.at, 0),
	})
	m.first(lesson.Step{
		Ask: line("unit.fact", text("problem", problem)), Answer: line("unit.fact.answer", answerText("fact", fact),
			answer("result", product.count)),
		Write: []lesson.Write{{Kind: "sentence", Text: fact + " = " + strconv.Itoa(product.count)}},
	})
	s := lesson.Step{
		Say:    line("unit.times", say.Pieces("pieces", say.Given, x.count, x.at), given("y", y.count)),
		Ask:    line("build.ask", at),
		Answer: line("unit.times.answer", say.Pieces("all", say.Answer, product.count, x.at)),
	}
	if y.count > 1 {
		s.Moves = m.lay(x.count*(y.count-1), x.at, 0)
	}
	m.key(s)
	if y.at > place.Ones {
		ten := place.Int(whole(y.at)).String()
		m.key(lesson.Step{
			Say: line("unit.more", say.Number("b", say.Given, b), text("ten", timesText(y.count, whole(y.at)))),
			Ask: line("unit.more.ask", text("ten", ten)), Answer: line("unit.more.answer", say.Pieces("all", say.Answer,
				product.count,
				x.at+y.at)),
			Moves: []board.Move{m.acts.Build(place.Count{Place: x.at + y.at, Count: product.count}.String())},
		})
	}
	m.whatTheyAre(units{product.count, x.at + y.at}, all, problem)
	if x.at < place.Ones {
		wrong := a.String() + "0"
		m.why(line("unit.why.small", text("a", a.String())), line("unit.why.small.answer", text("wrong", wrong),
			text("a", a.String())))
	} else {
		m.why(line("unit.why", say.Pieces("pieces", say.Given, x.count, x.at)), line("unit.why.answer", at))
	}
	if m.checks && m.acts.Groups != nil && y.at == place.Ones && y.count > 1 {
		back := all.String() + " ÷ " + strconv.Itoa(y.count)
		m.step(lesson.Step{
			Say:    line("unit.back", say.Pieces("all", say.Given, product.count, x.at), given("by", y.count)),
			Ask:    line("unit.back.ask"),
			Answer: line("unit.back.answer", say.Pieces("pieces", say.Answer, x.count, x.at)),
			Moves: []board.Move{m.acts.Build(place.Count{Place: x.at, Count: product.count}.String()), m.acts.Groups(y.count),
				m.acts.Deal(x.at)},
			Write: []lesson.Write{m.sentence(back, a.String())},
		})
	}
	e, err := m.end(problem, all.String())
	e.hard = unitHardness(x.count, y.count, x.at, y.at)
	e.like = x.at.String() + y.at.String() + strconv.FormatBool(product.count < 10)
	return e, err
}

// whatTheyAre makes pieces of one place into as few as there can be, and writes the
// number.
func (m *maker) whatTheyAre(u units, all place.Number, problem string) {
	s := lesson.Step{
		Ask: line("unit.number", say.Pieces("pieces", say.Given, u.count, u.at)),
		Answer: line("unit.number.answer", say.Pieces("pieces", say.Given, u.count, u.at), say.Number("all", say.Answer,
			all)),
		Write: []lesson.Write{m.sentence(problem, all.String())},
	}
	if u.count >= 10 {
		s.Moves = []board.Move{{Kind: "fewest"}}
	}
	m.first(s)
}

func unitQuotient(r Request, a, b place.Number) (Example, error) {
	if err := fitsModel(r.Model, a); err != nil {
		return Example{}, err
	}
	by, isWhole := b.Whole()
	if !isWhole || by < 1 || by > 12 || a.IsZero() {
		return Example{}, needs(r)
	}
	// The largest pieces of which as many as there are can be shared.
	var u units
	for p := a.Top(); p >= place.Smallest && u.count == 0; p-- {
		if v, err := p.Value().Times(a.Count(p)); err == nil && v == a && a.Count(p)%by == 0 {
			u = units{a.Count(p), p}
		}
	}
	if u.count == 0 || u.count > 144 {
		return Example{}, say.Refuse("unit-shares", text("a", a.String()), given("by", by))
	}
	each := units{u.count / by, u.at}
	result, err := each.number()
	if err != nil {
		return Example{}, badNumber(err)
	}
	problem := a.String() + " ÷ " + b.String()
	fact := strconv.Itoa(u.count) + " ÷ " + strconv.Itoa(by)
	m := begin(r, r.Model+" 0")
	if m.acts.Groups == nil {
		return Example{}, say.Refuse("unit-groups")
	}
	m.step(lesson.Step{
		Say:   line("unit.is", say.Number("a", say.Given, a), say.Pieces("pieces", say.Given, u.count, u.at)),
		Moves: []board.Move{m.acts.Build(place.Count{Place: u.at, Count: u.count}.String()), m.acts.Groups(by)},
	})
	m.first(lesson.Step{
		Ask: line("unit.fact", text("problem", problem)), Answer: line("unit.fact.answer", answerText("fact", fact),
			answer("result", each.count)),
		Write: []lesson.Write{{Kind: "sentence", Text: fact + " = " + strconv.Itoa(each.count)}},
	})
	m.key(lesson.Step{
		Say:    line("share.out", say.Pieces("has", say.Given, u.count, u.at), given("by", by)),
		Ask:    line("share.gets", say.PlaceName("place", u.at)),
		Answer: line("unit.each", say.Pieces("each", say.Answer, each.count, u.at)),
		Moves:  []board.Move{m.acts.Deal(u.at)},
	})
	m.first(lesson.Step{
		Ask: line("unit.number", say.Pieces("pieces", say.Given, each.count, u.at)),
		Answer: line("unit.number.answer", say.Pieces("pieces", say.Given, each.count, u.at), say.Number("all", say.Answer,
			result)),
		Write: []lesson.Write{m.sentence(problem, result.String())},
	})
	m.why(line("unit.why.share", say.PlaceName("place", u.at)), line("unit.why.share.answer",
		say.PlaceName("place", u.at)))
	m.together(a, strconv.Itoa(by)+" × "+result.String())
	e, err := m.end(problem, result.String())
	e.hard = unitHardness(by, each.count, u.at)
	e.like = u.at.String() + strconv.FormatBool(u.count < 10)
	return e, err
}
