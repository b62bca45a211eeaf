package task

import (
	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/mistake"
	"unitbloom/core/say"
)

var count = Spec{
	Kind: "count", Title: "Count out so many", Doc: "Count out so many single things, one for each number said.",
	About: "a number up to 30", Sample: []string{"14"},
	Options: []method.Option{
		{Name: "on", Doc: "The things.", Choices: []string{"counters", "cubes"}},
	},
	read: readCount,
	from: func(sc lesson.Scene) (Task, bool) {
		n, kind, ok := numberOfScene(sc)
		whole, isWhole := n.Whole()
		fits := ok && isWhole && whole <= mostCounted && (kind == "counters" || kind == "cubes")
		return Task{Kind: "count", About: []string{n.String()}, Options: map[string]string{"on": kind}}, fits
	},
}

// mostCounted is how many things are counted out one by one at most.
const mostCounted = 30

// counting is a number of single things, wherever they lie.
type counting struct{ building }

func readCount(t Task) (work, error) {
	t.Options = map[string]string{"on": t.Options["on"], "ways": "1", "pieces": anyPieces, "as": "pieces"}
	built, err := readBuild(t)
	if err != nil {
		return nil, err
	}
	c := counting{built.(building)}
	if n, whole := c.number.Whole(); !whole || n < 1 || n > mostCounted {
		return nil, say.Refuse("task-count", say.Int("most", say.Given, mostCounted))
	}
	return c, nil
}

// start has no frames: they would count for her.
func (c counting) start() (board.Board, error) { return board.Parse(c.spec.Kind + " 0") }

func (c counting) face(w say.Vocabulary) Face {
	f := c.building.face(w)
	id := "task.count"
	if n, _ := c.number.Whole(); n == 1 {
		id = "task.count.one"
	}
	f.Ask = say.New(id, say.Number("number", say.Given, c.number), inWords(c.spec)).Text(w)
	f.Head = say.New("task.count.head").Text(w)
	return f
}

// problem tells of no mistake but that of which number was counted first: one too few or many.
func (c counting) problem(a Answer) (mistake.Problem, string) {
	shown, err := board.Parse(a["board"])
	if err != nil {
		return mistake.Problem{}, ""
	}
	n, _ := c.number.Whole()
	if n < 2 || len(shown.Models) != 1 {
		return mistake.Problem{}, ""
	}
	return mistake.Problem{Method: "count", Args: []string{c.number.String()}}, board.Total(shown.Models[0]).String()
}
