package task

import (
	"strings"
	"unicode"

	"unitbloom/core/board"
	"unitbloom/core/method"
	"unitbloom/core/mistake"
	"unitbloom/core/say"
)

var explain = Spec{
	Kind: "explain", Title: "Explain something", Doc: "Say in words how one knows; or tell it to the teacher, and say so.",
	About:  "a question, and a board to look at if wanted: question | board",
	Sample: []string{"How do you know that there are no more ways?"},
	Options: []method.Option{
		{Name: "starter", Doc: "How the child may begin.", Choices: []string{asAsked, "I know because", nothing}},
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
}

func readExplain(t Task) (work, error) {
	ask, notation, shows := strings.Cut(strings.Join(t.About, " "), "|")
	e := explaining{ask: strings.TrimSpace(ask)}
	if e.ask == "" || len(e.ask) > mostAsked {
		return nil, say.Refuse("task-question", say.Int("most", say.Given, mostAsked))
	}
	if shows {
		b, err := board.Parse(strings.TrimSpace(notation))
		if err != nil {
			return nil, err
		}
		e.board = board.Print(b)
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
	if e.board != "" {
		f.Boards = []Picture{{Board: e.board}}
	}
	return f
}

// mark finds only whether there is something to be read. Whether it holds is for the teacher.
func (e explaining) mark(a Answer) []Part {
	return []Part{judged(a, why, strings.ContainsFunc(a[why], unicode.IsLetter))}
}

func (e explaining) right() []Answer {
	return []Answer{{why: "I tried them in order."}, {why: SaidAloud}, {why: "every one is there, from 0 to 8"}}
}

func (e explaining) wrong() []Answer { return []Answer{{}, {why: "…"}, {why: "12"}} }

func (e explaining) problem(Answer) (mistake.Problem, string) { return mistake.Problem{}, "" }
