package task

import (
	"slices"
	"strings"

	"unitbloom/core/chance"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/mistake"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

var choose = Spec{
	Kind: "choose", Title: "Choose one, and say why", Doc: "One of four answers to a problem; each wrong one is what a " +
		"mistake gives.",
	About: "a problem: 402 − 167", Sample: []string{"402 − 167"},
	Options: []method.Option{
		{Name: "reason", Doc: "Whether a reason is asked for.", Choices: []string{"yes", "no"}},
		{Name: "seed", Doc: "The order of the answers: another number, another order."},
	},
	read: readChoose,
	from: func(sc lesson.Scene) (Task, bool) {
		if sc.Made == nil || !slices.Contains(columnMethods, sc.Made.Method) {
			return Task{}, false
		}
		return Task{Kind: "choose", About: []string{sc.Made.Problem}}, true
	},
}

// mostChoices is how many answers there are to choose from.
const mostChoices = 4

// The blanks of a choice.
const (
	chosen = "choice"
	why    = "why"
)

// choosing is a problem with answers to choose from.
type choosing struct {
	typed, answer string
	slips         mistake.Problem
	bank          []string
	reason        bool
}

func readChoose(t Task) (work, error) {
	r, err := method.Typed("", strings.Join(t.About, " "))
	if err != nil {
		return nil, err
	}
	r.Options = map[string]string{"ask": "never"}
	e, err := method.Make(r)
	if err != nil {
		return nil, err
	}
	c := choosing{typed: e.Scene.Made.Problem, answer: e.Scene.Made.Answer, reason: t.Options["reason"] == "yes",
		slips: mistake.Problem{Method: r.Method, Args: numbersIn(r.Args)}}
	c.bank = []string{c.answer}
	for _, s := range mistake.Slips(c.slips) {
		c.offer(s.Answer)
	}
	n, err := place.Parse(c.answer)
	if err != nil {
		return nil, say.Refuse("task-no-choice", say.Text("problem", say.Given, c.typed))
	}
	// Where fewer mistakes are known, what is near: a ten or a one away.
	for _, by := range []int{10, 1, 100, 2} {
		if more, err := n.Add(place.Int(by)); err == nil {
			c.offer(more.String())
		}
	}
	c.bank = shuffled(c.bank, chance.Source(t.seed()+1))
	return c, nil
}

func (c *choosing) offer(answer string) {
	if len(c.bank) < mostChoices && !slices.Contains(c.bank, answer) {
		c.bank = append(c.bank, answer)
	}
}

func (c choosing) face(w say.Vocabulary) Face {
	ask := say.New("task.choose", say.Text("problem", say.Given, c.typed))
	if c.reason {
		ask = ask.And(say.New("task.choose.why"))
	}
	f := Face{Ask: ask.Text(w), Of: w.Spell(c.typed), Bank: slices.Clone(c.bank),
		Blanks: []Blank{{ID: chosen, Gives: FromBank, Label: say.New("task.choose.one").Text(w)}}}
	if c.reason {
		f.Blanks = append(f.Blanks, Blank{ID: why, Gives: Reason, Label: say.New("task.choose.how").Text(w), Optional: true})
	}
	return f
}

func (c choosing) mark(a Answer) []Part {
	return []Part{judged(a, chosen, a[chosen] == c.answer)}
}

func (c choosing) right() []Answer {
	bare := Answer{chosen: c.answer}
	if !c.reason {
		return []Answer{bare, {chosen: " " + c.answer}, {chosen: c.answer + " "}}
	}
	return []Answer{bare, changed(bare, why, "I checked it backwards."), changed(bare, why, "My blocks say so.")}
}

func (c choosing) wrong() []Answer {
	list := []Answer{{}}
	for _, other := range c.bank {
		if other != c.answer {
			list = append(list, Answer{chosen: other})
		}
	}
	return list
}

func (c choosing) problem(a Answer) (mistake.Problem, string) { return c.slips, a[chosen] }
