package task

import (
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/chance"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/mistake"
	"unitbloom/core/place"
	"unitbloom/core/say"
	"unitbloom/core/sentence"
)

var match = Spec{
	Kind: "match", Title: "Match pictures with numbers", Doc: "Give each of several boards its own from a bank of " +
		"numbers or sentences.",
	About:  "board = label for each, = label for a label that none has",
	Sample: []string{"blocks 4t 6o = 46", "blocks 3t 16o = 40 + 6", "blocks 6t 4o = 64", "discs 4h 6o = 406"},
	Options: []method.Option{
		{Name: "spares", Doc: "How many more are in the bank than there are boards, at least.",
			Choices: []string{"2", "1", "0"}},
		{Name: "seed", Doc: "The order of the bank: another number, another order."},
	},
	keyed: always,
	read:  readMatch,
}

// mostMatched is how many boards lie on one page.
const mostMatched = 8

// matching is boards with their labels.
type matching struct {
	boards []board.Board
	labels []string
	bank   []string
}

func readMatch(t Task) (work, error) {
	var m matching
	var spares []string
	for _, about := range t.About {
		notation, label, ok := strings.Cut(about, "=")
		notation, label = strings.TrimSpace(notation), strings.TrimSpace(label)
		if !ok || label == "" {
			return nil, say.Refuse("task-label", say.Text("text", say.Given, about))
		}
		if notation == "" {
			spares = append(spares, label)
			continue
		}
		b, err := board.Parse(notation)
		if err != nil {
			return nil, err
		}
		if len(b.Models) != 1 {
			return nil, say.Refuse("task-one-model")
		}
		if total := board.Total(b.Models[0]); !names(label, total) {
			return nil, say.Refuse("task-not-label", say.Text("label", say.Given, label), say.Number("total", say.Given, total))
		}
		m.boards, m.labels = append(m.boards, b), append(m.labels, label)
	}
	if len(m.boards) < 2 || len(m.boards) > mostMatched {
		return nil, say.Refuse("task-matches", say.Int("most", say.Given, mostMatched))
	}
	wanted, _ := strconv.Atoi(t.Options["spares"])
	for _, text := range m.likely() {
		if len(spares) >= wanted {
			break
		}
		if !slices.Contains(spares, text) && !slices.Contains(m.labels, text) {
			spares = append(spares, text)
		}
	}
	m.bank = shuffled(slices.Concat(m.labels, spares), chance.Source(t.seed()+1))
	return m, nil
}

// names reports whether a label says a number: as a numeral, in units, in words, as a sum, or
// as a true sentence one of whose sides comes to it.
func names(label string, n place.Number) bool {
	if u, err := place.ParseAmount(label); err == nil {
		total, err := u.Total()
		return err == nil && total == n
	}
	if saysInWords(label, n) {
		return true
	}
	if strings.ContainsAny(label, "=<>") {
		v, err := sentence.Judge(label)
		return err == nil && v.State == "true" && v.Against(n)
	}
	v, err := sentence.Judge(label + " = " + n.String())
	return err == nil && v.State == "true"
}

// likely are numbers that a child might take for a board's, and that none of them has.
func (m matching) likely() []string {
	var list []string
	add := func(text string) {
		n, err := place.Parse(text)
		taken := func(b board.Board) bool { return board.Total(b.Models[0]) == n.Number }
		if err == nil && !slices.ContainsFunc(m.boards, taken) && !slices.Contains(list, text) {
			list = append(list, text)
		}
	}
	for _, b := range m.boards {
		for _, s := range mistake.Slips(mistake.Problem{Method: "read", Args: []string{board.Print(b)}}) {
			add(s.Answer)
		}
	}
	for _, b := range m.boards {
		for _, by := range []int{10, 1} {
			if n, err := board.Total(b.Models[0]).Add(place.Int(by)); err == nil {
				add(n.String())
			}
		}
	}
	return list
}

func (m matching) face(w say.Vocabulary) Face {
	ask := say.New("task.match")
	if len(m.bank) > len(m.boards) {
		ask = ask.And(say.New("task.match.spare"))
	}
	f := Face{Ask: ask.Text(w), Bank: slices.Clone(m.bank)}
	for i, b := range m.boards {
		f.Boards = append(f.Boards, Picture{Board: board.Print(b)})
		f.Blanks = append(f.Blanks, Blank{ID: strconv.Itoa(i + 1), Gives: FromBank})
	}
	return f
}

// alikeLabels reports whether two texts are the same label but for their spaces.
func alikeLabels(a, b string) bool {
	return strings.ReplaceAll(a, " ", "") == strings.ReplaceAll(b, " ", "")
}

func (m matching) mark(a Answer) []Part {
	var parts []Part
	left := slices.Clone(m.bank)
	for i, b := range m.boards {
		at := strconv.Itoa(i + 1)
		taken := slices.IndexFunc(left, func(label string) bool { return alikeLabels(label, a[at]) })
		parts = append(parts, judged(a, at, taken >= 0 && names(a[at], board.Total(b.Models[0]))))
		if taken >= 0 {
			left = slices.Delete(left, taken, taken+1)
		}
	}
	return parts
}

func (m matching) right() []Answer {
	first, spaced := Answer{}, Answer{}
	for i, label := range m.labels {
		first[strconv.Itoa(i+1)], spaced[strconv.Itoa(i+1)] = label, strings.ReplaceAll(label, " ", "")
		if strings.ContainsAny(label, "abcdefghijklmnopqrstuvwxyz") {
			spaced[strconv.Itoa(i+1)] = " " + label
		}
	}
	list := []Answer{first, spaced}
	// Equal ones go either way round.
	for i := range m.boards {
		for k := range i {
			if board.Total(m.boards[i].Models[0]) == board.Total(m.boards[k].Models[0]) {
				other := changed(first, strconv.Itoa(i+1), m.labels[k])
				list = append(list, changed(other, strconv.Itoa(k+1), m.labels[i]))
			}
		}
	}
	if len(list) < 3 {
		padded := Answer{}
		for at, label := range first {
			padded[at] = label + " "
		}
		list = append(list, padded)
	}
	return list
}

func (m matching) wrong() []Answer {
	first := m.right()[0]
	list := []Answer{changed(first, "1", "")}
	for _, label := range m.bank {
		if !names(label, board.Total(m.boards[0].Models[0])) {
			list = append(list, changed(first, "1", label))
		}
	}
	// One of the bank given twice.
	for i := 1; i < len(m.labels); i++ {
		list = append(list, changed(first, strconv.Itoa(i+1), m.labels[0]))
	}
	return list
}

// problem is the first board that was given a number which is not its own.
func (m matching) problem(a Answer) (mistake.Problem, string) {
	for i, b := range m.boards {
		if given := a[strconv.Itoa(i+1)]; given != "" && !names(given, board.Total(b.Models[0])) {
			return mistake.Problem{Method: "read", Args: []string{board.Print(b)}}, given
		}
	}
	return mistake.Problem{}, ""
}

// MatchScenes is a task to match the numbers of several scenes with their boards; ok is false
// where fewer than two of them have one.
func MatchScenes(scenes []lesson.Scene) (t Task, ok bool) {
	t = Task{Kind: "match"}
	seen := map[place.Number]bool{}
	for _, sc := range scenes {
		n, _, shows := numberOfScene(sc)
		one, made := read.from(sc)
		if !shows || !made || seen[n] || len(t.About) == mostMatched {
			continue
		}
		seen[n] = true
		t.About = append(t.About, one.About[0]+" = "+n.String())
	}
	t, err := Make(t)
	return t, err == nil
}
