package task

import (
	"slices"
	"strings"
	"unicode"

	"unitbloom/core/board"
	"unitbloom/core/method"
	"unitbloom/core/mistake"
	"unitbloom/core/say"
)

var explain = Spec{
	Kind: "explain", Title: "Explain something", Doc: "Say in words how one knows; or tell it to the teacher, and say so.",
	About: "a question, with ways to choose among and a board to look at if wanted: " +
		"question? one way; another | board",
	Sample: []string{"How do you know that there are no more ways?"},
	Options: []method.Option{
		{Name: "starter", Doc: "How the child may begin.", Choices: []string{asAsked, "I know because", nothing}},
		{Name: "told", Doc: "Whether it is told in words, or by what is laid on the board too.",
			Choices: []string{"in words", "on the board too"}},
	},
	Teacher: true,
	read:    readExplain,
}

// SaidAloud is what a child writes who has told it aloud.
const SaidAloud = "told"

// asAsked begins as the question asks: why is answered by because.
const asAsked = "as the question asks"

// mostAsked is how many letters a question has at most.
const mostAsked = 200

// explaining is a question that the teacher alone can judge the answer of.
type explaining struct {
	ask, starter string
	board        string
	// ways are what she chooses among, and says why; none where the question has none.
	ways []string
	// lays is whether what is laid on the board tells it too.
	lays bool
}

func readExplain(t Task) (work, error) {
	ask, notation, shows := strings.Cut(strings.Join(t.About, " "), "|")
	e := explaining{ask: strings.TrimSpace(ask)}
	if question, rest, asks := strings.Cut(e.ask, "?"); asks && strings.Contains(rest, ";") {
		e.ask = question + "?"
		for way := range strings.SplitSeq(rest, ";") {
			if way = strings.TrimSpace(way); way != "" && !slices.Contains(e.ways, way) {
				e.ways = append(e.ways, way)
			}
		}
	}
	if e.ask == "" || len(e.ask) > mostAsked {
		return nil, say.Refuse("task-question", say.Int("most", say.Given, mostAsked))
	}
	if shows {
		b, err := board.Parse(strings.TrimSpace(notation))
		if err != nil {
			return nil, err
		}
		e.board, e.lays = board.Print(b), t.Options["told"] == "on the board too" && len(b.Models) == 1
	}
	switch asked := strings.ToLower(e.ask); {
	case t.Options["starter"] == nothing:
	case t.Options["starter"] != asAsked || strings.Contains(asked, "how do you know"):
		e.starter = "task.explain.because"
	case strings.HasPrefix(asked, "why"):
		e.starter = "task.explain.why"
	}
	return e, nil
}

func (e explaining) face(w say.Vocabulary) Face {
	f := Face{Ask: e.ask, Blanks: []Blank{{ID: why, Gives: Reason, Label: say.New("task.explain").Text(w)}}}
	if e.starter != "" {
		f.Blanks[0].Label = say.New(e.starter).Text(w)
	}
	if len(e.ways) > 0 {
		choice := Blank{ID: chosen, Gives: FromBank, Label: say.New("task.choose.one").Text(w)}
		f.Bank, f.Blanks = e.ways, append([]Blank{choice}, f.Blanks...)
	}
	if e.board != "" {
		f.Boards = []Picture{{Board: e.board}}
	}
	if e.lays {
		f.Ask = say.New("task.explain.show", say.Text("ask", say.Given, e.ask)).Text(w)
		f.Blanks[len(f.Blanks)-1].Optional = true
		f.Blanks = append(f.Blanks, Blank{ID: onBoard, Gives: OnBoard, Optional: true})
	}
	return f
}

// start is the board that it is shown on.
func (e explaining) start() (board.Board, error) {
	if !e.lays {
		return board.Board{}, say.Refuse("task-question", say.Int("most", say.Given, mostAsked))
	}
	return board.Parse(e.board)
}

// mark finds only whether there is something to be read. Whether it holds is for the teacher.
func (e explaining) mark(a Answer) []Part {
	said := judged(a, why, strings.ContainsFunc(a[why], unicode.IsLetter))
	if shown, err := board.Parse(a[onBoard]); e.lays && err == nil && len(shown.Models) == 1 {
		said.Right = true
	}
	if len(e.ways) == 0 {
		return []Part{said}
	}
	return []Part{judged(a, chosen, slices.Contains(e.ways, a[chosen])), said}
}

func (e explaining) right() []Answer {
	list := []Answer{{why: "I tried them in order."}, {why: SaidAloud}, {why: "every one is there, from 0 to 8"}}
	if e.lays {
		list = append(list, Answer{onBoard: e.board})
	}
	if len(e.ways) > 0 {
		for i, a := range list {
			a[chosen] = e.ways[i%len(e.ways)]
		}
	}
	return list
}

func (e explaining) wrong() []Answer { return []Answer{{}, {why: "…"}, {why: "12"}} }

func (e explaining) problem(Answer) (mistake.Problem, string) { return mistake.Problem{}, "" }
