package task

import (
	"fmt"
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/chance"
	"unitbloom/core/method"
	"unitbloom/core/say"
)

var quick = Spec{
	Kind: "quick", Title: "Quick facts", Doc: "A short set of facts, each once, without a clock.",
	About:  "which facts: " + strings.Join(families(), ", "),
	Sample: []string{"within 20"},
	Options: []method.Option{
		{Name: "count", Doc: "How many, 1 to 20; 8 when left out."},
		{Name: "seed", Doc: "Which of them: another number, others."},
	},
	read: readQuick,
}

// mostFacts is how many facts a short set has at most.
const mostFacts = 20

// family are facts that belong together: all of them, as they are written.
type family struct {
	name string
	all  func() []string
}

// factFamilies are the facts that a class learns by heart, as its years have them.
var factFamilies = []family{
	{"within 10", func() []string { return sumsAndDifferences(10) }},
	{"within 20", func() []string { return sumsAndDifferences(20) }},
	{"doubles", func() []string {
		return drawn(1, 10, func(n int) string { return fmt.Sprintf("%d + %d", n, n) })
	}},
	{"bonds of 10", func() []string {
		return drawn(0, 10, func(n int) string { return fmt.Sprintf("%d + □ = 10", n) })
	}},
	{"tables of 2, 5 and 10", func() []string { return tables(2, 5, 10) }},
	{"tables", func() []string { return tables(2, 3, 4, 5, 6, 7, 8, 9, 10) }},
}

func families() []string {
	names := make([]string, len(factFamilies))
	for i, f := range factFamilies {
		names[i] = f.name
	}
	return names
}

func drawn(from, to int, write func(int) string) (list []string) {
	for n := from; n <= to; n++ {
		list = append(list, write(n))
	}
	return list
}

// sumsAndDifferences are those up to a number; nothing with 0 or 1, which need no thought.
func sumsAndDifferences(most int) (list []string) {
	for a := 2; a <= most; a++ {
		for b := 2; b <= min(a, 10); b++ {
			if a+b <= most && a <= 10 {
				list = append(list, fmt.Sprintf("%d + %d", a, b))
			}
			if a > b && a-b <= 10 {
				list = append(list, fmt.Sprintf("%d − %d", a, b))
			}
		}
	}
	return list
}

// tables are products and the quotients that go with them.
func tables(of ...int) (list []string) {
	for _, n := range of {
		for k := 2; k <= 10; k++ {
			list = append(list, fmt.Sprintf("%d × %d", k, n), fmt.Sprintf("%d ÷ %d", k*n, n))
		}
	}
	return list
}

// quickly is a short set of facts: sentences with a gap each.
type quickly struct{ filling }

func readQuick(t Task) (work, error) {
	name := strings.Join(t.About, " ")
	at := slices.IndexFunc(factFamilies, func(f family) bool { return f.name == name })
	if at < 0 {
		return nil, say.Refuse("task-facts", say.Text("text", say.Given, name),
			say.Text("facts", say.Name, strings.Join(families(), ", ")))
	}
	n, err := t.whole("count", 8, mostFacts)
	if err != nil {
		return nil, err
	}
	q := quickly{filling{heads: map[int][]string{}}}
	all := shuffled(factFamilies[at].all(), chance.Source(t.seed()+1))
	for _, fact := range all[:min(n, len(all))] {
		if !strings.Contains(fact, "=") {
			fact += " = □"
		}
		if err := q.add(fact); err != nil {
			return nil, err
		}
	}
	return q, nil
}

func (q quickly) face(w say.Vocabulary) Face {
	f := q.filling.face(w)
	f.Ask = say.New("task.quick").Text(w)
	return f
}

// right is the one answer of each fact, with spaces where a child may leave them.
func (q quickly) right() []Answer {
	list := []Answer{q.filling.right()[0], {}, {}}
	for at, text := range list[0] {
		list[1][at] = " " + text
		list[2][at] = text + " "
	}
	return list
}

// whole is an option that is a number from 1 to a largest; another where it is left out.
func (t Task) whole(name string, otherwise, most int) (int, error) {
	text := t.Options[name]
	if text == "" {
		return otherwise, nil
	}
	n, err := strconv.Atoi(text)
	if err != nil || n < 1 || n > most {
		return 0, say.Refuse("bad-option", say.Text("option", say.Given, name), say.Text("value", say.Given, text),
			say.Text("choices", say.Given, fmt.Sprintf("1 to %d", most)))
	}
	return n, nil
}
