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

var ways = Spec{
	Kind: "ways", Title: "Say how one sees it",
	Doc: "Say how one sees how many there are, in one or more ways: 5 + 3, double 4, " +
		"10 − 2. The child may draw round the parts.",
	About: "a board of single things in its text form", Sample: []string{"counters 2x5: 8"},
	Options: []method.Option{
		{Name: "ways", Doc: "In how many different ways.", Choices: []string{"2", "1", "3"}},
	},
	Free: true,
	read: readWays,
	from: func(sc lesson.Scene) (Task, bool) {
		n, _, ok := numberOfScene(sc)
		if whole, isWhole := n.Whole(); !ok || !isWhole || whole < leastSeen || whole > mostSeen {
			return Task{}, false
		}
		b, _ := sc.At(len(sc.Steps))
		b.Models = b.Models[:1]
		return Task{Kind: "ways", About: []string{board.Print(b)}}, true
	},
}

// leastSeen and mostSeen are how many things there are to be seen.
const (
	leastSeen = 3
	mostSeen  = 60
)

// seeing is a board of which a child says how she sees it.
type seeing struct {
	board board.Board
	total int
	ways  int
}

func readWays(t Task) (work, error) {
	b, err := board.Parse(strings.Join(t.About, " "))
	if err != nil {
		return nil, err
	}
	if len(b.Models) != 1 {
		return nil, say.Refuse("task-one-model")
	}
	n, whole := board.Total(b.Models[0]).Whole()
	if !whole || n < leastSeen || n > mostSeen {
		return nil, say.Refuse("task-seen", say.Int("least", say.Given, leastSeen), say.Int("most", say.Given, mostSeen))
	}
	s := seeing{board: b, total: n}
	s.ways, _ = strconv.Atoi(t.Options["ways"])
	// What lies there is of single things, or the model says that it is not.
	if _, err := s.way(strconv.Itoa(n-1) + " + 1"); err != nil {
		return nil, err
	}
	if len(s.found()) < s.ways {
		return nil, say.Refuse("task-ways", say.Number("number", say.Given, place.Int(n)), say.Int("ways", say.Given, s.ways))
	}
	return s, nil
}

// way is a way of seeing what lies there, or why it is none.
func (s seeing) way(text string) (method.Way, error) { return method.TakeIn(s.board, 0, text, nil) }

// start is the board itself: she draws round what she sees.
func (s seeing) start() (board.Board, error) { return s.board, nil }

func (s seeing) face(w say.Vocabulary) Face {
	ask := say.New("task.ways")
	if s.ways > 1 {
		ask = say.New("task.ways.several", say.Int("ways", say.Given, s.ways))
	}
	f := Face{Ask: ask.Text(w), Head: say.New("task.ways").Text(w), Boards: []Picture{{Board: board.Print(s.board)}}}
	for i := range s.ways {
		label := say.New("task.ways.way", say.Int("n", say.Given, i+1))
		f.Blanks = append(f.Blanks, Blank{ID: wayAt(i), Gives: Sum, Label: label.Text(w)})
	}
	return f
}

func wayAt(i int) string { return "way " + strconv.Itoa(i+1) }

func (s seeing) mark(a Answer) []Part {
	var parts []Part
	var seen []method.Way
	for i := range s.ways {
		at := wayAt(i)
		way, err := s.way(a[at])
		parts = append(parts, judged(a, at, err == nil))
		if err != nil {
			continue
		}
		if slices.ContainsFunc(seen, func(other method.Way) bool { return other.Alike(way.Seen) }) {
			parts = append(parts, Part{At: at, What: "different"})
		}
		seen = append(seen, way)
	}
	return parts
}

// found are some ways, unlike one another.
func (s seeing) found() []string {
	var list []string
	var seen []method.Way
	offer := func(text string) {
		way, err := s.way(text)
		if err == nil && !slices.ContainsFunc(seen, func(other method.Way) bool { return other.Alike(way.Seen) }) {
			list, seen = append(list, text), append(seen, way)
		}
	}
	n := strconv.Itoa
	for _, first := range []int{5, 10, s.total / 2, s.total - 1, s.total - 2} {
		if first > 0 && first < s.total {
			offer(n(first) + " + " + n(s.total-first))
		}
	}
	offer("double " + n((s.total-1)/2) + " and " + n(s.total-2*((s.total-1)/2)))
	offer(n(s.total+2) + " − 2")
	return list
}

func (s seeing) right() []Answer {
	found := s.found()
	var list []Answer
	for start := range len(found) {
		a := Answer{}
		for i := range s.ways {
			a[wayAt(i)] = found[(start+i)%len(found)]
		}
		list = append(list, a)
	}
	return list
}

func (s seeing) wrong() []Answer {
	right := s.right()[0]
	n := strconv.Itoa
	list := []Answer{changed(right, wayAt(0), ""), changed(right, wayAt(0), n(s.total)),
		changed(right, wayAt(0), n(s.total)+" + 1"), changed(right, wayAt(0), n(s.total-2)+" + 1")}
	if s.ways > 1 {
		parts := strings.Split(right[wayAt(0)], " + ")
		slices.Reverse(parts)
		list = append(list, changed(right, wayAt(1), strings.Join(parts, " + ")))
	}
	return list
}

func (s seeing) problem(Answer) (mistake.Problem, string) { return mistake.Problem{}, "" }
