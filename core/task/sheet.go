// A sheet is tasks in order, made from scenes; and what stands on its answer page.

package task

import (
	"maps"
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/say"
	"unitbloom/core/sentence"
)

// Wanted is what a teacher chose for a sheet: the kinds in their order, so many further
// problems like each that is there, and the turns in their text form.
type Wanted struct {
	Kinds []string `json:"kinds"`
	// Forms are those in which children read: number, units, expanded, words.
	Forms []string `json:"forms,omitempty"`
	// Pieces says which pieces a number is shown with: any, fewest, tens and ones.
	Pieces string `json:"pieces,omitempty"`
	// Ways is in how many ways a number is shown or seen, Glimpse has boards read in two seconds,
	// and Last says how many steps of an example are left: 1, 2, all.
	Ways    int    `json:"ways,omitempty"`
	Glimpse bool   `json:"glimpse,omitempty"`
	Last    string `json:"last,omitempty"`
	// Draw has numbers drawn quickly where they would be shown with pieces.
	Draw bool   `json:"draw,omitempty"`
	More int    `json:"more,omitempty"`
	Seed uint64 `json:"seed,omitempty"`
	// Turns is the text form of a page for turns, and Thrown whether the throws stand there: already.
	Turns  string `json:"turns,omitempty"`
	Thrown string `json:"thrown,omitempty"`
	// Facts are the family of quick facts, Conditions those of a sentence of one's own, and
	// Question what is to be explained.
	Facts      string `json:"facts,omitempty"`
	Conditions string `json:"conditions,omitempty"`
	Question   string `json:"question,omitempty"`
	// Shown has it explained on the board of the first scene too.
	Shown bool `json:"shown,omitempty"`
	// Own leaves the scenes' own numbers out: others like them, wherever there are any.
	Own bool `json:"own,omitempty"`
}

// mostMore is how many further problems there are of each.
const mostMore = 9

// Sheet is the tasks of the kinds that are wanted, one kind after another. The first kind that
// a scene gives has its own numbers; every other has others like them, so that no task gives
// another's answer away.
func Sheet(scenes []lesson.Scene, w Wanted) ([]Task, error) {
	if w.More < 0 || w.More > mostMore {
		return nil, say.Refuse("sheet-more", say.Int("most", say.Given, mostMore))
	}
	from := make([]source, len(scenes))
	for i, sc := range scenes {
		from[i] = newSource(sc, w.Seed+uint64(1000*i))
		from[i].begun = w.Own && from[i].draws
	}
	var all []Task
	for _, kind := range w.Kinds {
		if _, err := Find(kind); err != nil {
			return nil, err
		}
		if t, alone := w.alone(kind, scenes); alone {
			t, err := Make(t)
			if err != nil {
				return nil, err
			}
			all = append(all, t)
			continue
		}
		var now []lesson.Scene
		for i := range from {
			if gives(from[i].scene, kind) {
				now = append(now, from[i].next(1+w.More)...)
			}
		}
		switch kind {
		case match.Kind:
			all = append(all, matches(now)...)
		case fill.Kind:
			all = append(all, gathered(now)...)
		default:
			for _, sc := range now {
				for _, t := range FromScene(sc, []string{kind}) {
					all = append(all, w.dressed(t))
				}
			}
		}
	}
	return all, nil
}

// alone is the one task of a kind that is made of no scene; an explanation may be shown on the
// board of the first one.
func (w Wanted) alone(kind string, scenes []lesson.Scene) (Task, bool) {
	switch kind {
	case turns.Kind:
		t := Task{Kind: kind, About: strings.Fields(w.Turns), Options: map[string]string{}}
		if w.Thrown != "" {
			t.Options["thrown"], t.Options["seed"] = w.Thrown, strconv.FormatUint(w.Seed, 10)
		}
		return t, true
	case quick.Kind:
		return Task{Kind: kind, About: []string{w.Facts},
			Options: map[string]string{"seed": strconv.FormatUint(w.Seed, 10)}}, true
	case own.Kind:
		return Task{Kind: kind, About: []string{w.Conditions}}, true
	case explain.Kind:
		t := Task{Kind: kind, About: []string{w.Question}}
		if w.Shown && len(scenes) > 0 && len(scenes[0].Start.Models) == 1 {
			t.About = append(t.About, "|", board.PrintShown(scenes[0].Start))
			t.Options = map[string]string{"told": "on the board too"}
		}
		return t, true
	}
	return Task{}, false
}

// gives reports whether a scene gives a task of a kind.
func gives(sc lesson.Scene, kind string) bool {
	if kind == match.Kind {
		kind = read.Kind
	}
	return len(FromScene(sc, []string{kind})) > 0
}

// source gives a scene, and then others like it, each once.
type source struct {
	scene   lesson.Scene
	request method.Request
	// draws is whether there are others, and seed where they begin.
	draws bool
	seed  uint64
	seen  map[string]bool
	begun bool
}

func newSource(sc lesson.Scene, seed uint64) source {
	r, ok := requestOf(sc)
	return source{scene: sc, request: r, draws: ok, seed: seed, seen: map[string]bool{strings.Join(r.Args, " "): true}}
}

// mostTried is how many further problems are looked at for each that is wanted.
const mostTried = 4

// next are so many scenes, or as many as there are; at least the scene itself.
func (s *source) next(n int) []lesson.Scene {
	var list []lesson.Scene
	if !s.begun {
		s.begun, list = true, append(list, s.scene)
	}
	for range mostTried * n {
		if !s.draws || len(list) >= n {
			break
		}
		s.seed++
		r, err := method.Parallel(s.request, s.seed)
		if err != nil {
			s.draws = false
			break
		}
		if key := strings.Join(r.Args, " "); !s.seen[key] {
			s.seen[key] = true
			if e, err := method.Make(r); err == nil {
				list = append(list, e.Scene)
			}
		}
	}
	if len(list) == 0 {
		return []lesson.Scene{s.scene}
	}
	return list
}

// dressed is a task with what was chosen for its kind.
func (w Wanted) dressed(t Task) Task {
	choose := func(option, value string) {
		if value != "" {
			t.Options[option] = value
		}
	}
	several := ""
	if w.Ways > 0 {
		several = strconv.Itoa(w.Ways)
	}
	switch t.Kind {
	case read.Kind:
		choose("forms", strings.Join(w.Forms, ", "))
		if w.Glimpse {
			choose("look", "two seconds")
		}
	case steps.Kind:
		choose("last", w.Last)
	case build.Kind:
		choose("pieces", w.Pieces)
		if w.Draw {
			choose("as", "quick drawing")
		}
	}
	if t.Kind != build.Kind && t.Kind != ways.Kind || several == "" {
		return t
	}
	// A number that has not so many ways is shown, or seen, in as many as it has by itself.
	many := t
	many.Options = maps.Clone(t.Options)
	many.Options["ways"] = several
	if _, err := Make(many); err != nil {
		return t
	}
	return many
}

// requestOf is the problem that a scene shows; of a free board its number.
func requestOf(sc lesson.Scene) (method.Request, bool) {
	if sc.Made != nil {
		return method.Request{Method: sc.Made.Method, Args: sc.Made.Args, Model: sc.Made.Model, Options: sc.Made.Options},
			sc.Made.Args != nil
	}
	n, kind, ok := numberOfScene(sc)
	return method.Request{Method: "build", Args: []string{n.String()}, Model: kind}, ok
}

// matches are pages of boards to match, as few as hold them all.
func matches(scenes []lesson.Scene) []Task {
	var all []Task
	scenes = slices.DeleteFunc(slices.Clone(scenes), func(sc lesson.Scene) bool {
		_, _, ok := numberOfScene(sc)
		return !ok
	})
	pages := (len(scenes) + mostMatched - 1) / mostMatched
	for i := range pages {
		from, to := i*len(scenes)/pages, (i+1)*len(scenes)/pages
		if t, ok := MatchScenes(scenes[from:to]); ok {
			all = append(all, t)
		}
	}
	return all
}

// gathered is all that is to be filled in, as one task; rows of tables that are alike stand in
// one table, and of every second one the number is asked for.
func gathered(scenes []lesson.Scene) []Task {
	t := Task{Kind: fill.Kind}
	tables := map[string]int{}
	rows := 0
	for _, sc := range scenes {
		for _, one := range FromScene(sc, []string{fill.Kind}) {
			for _, about := range one.About {
				heads, row, table := strings.Cut(about, "; ")
				if !table {
					t.About = append(t.About, about)
					continue
				}
				if rows++; rows%2 == 0 {
					row = turned(row, one)
				}
				at, known := tables[heads]
				if !known {
					tables[heads] = len(t.About)
					t.About = append(t.About, heads+"; "+row)
					continue
				}
				t.About[at] += "; " + row
			}
		}
	}
	if t, err := Make(t); err == nil {
		return []Task{t}
	}
	return nil
}

// turned is a row of a table with its number asked for and its places given.
func turned(row string, t Task) string {
	right, err := Right(t)
	cells := strings.Split(row, " | ")
	if err != nil || len(right[0]) != len(cells)-1 {
		return row
	}
	cells[0] = sentence.Unknown
	for i := range cells[1:] {
		cells[i+1] = right[0][strconv.Itoa(i+1)]
	}
	return strings.Join(cells, " | ")
}

// Answers is what stands on the answer page for a task, a line each.
func Answers(t Task, w say.Vocabulary) ([]string, error) {
	did, t, err := open(t)
	if err != nil {
		return nil, err
	}
	if own, ok := did.(turning); ok && own.thrown == nil {
		return []string{say.New("task.turns.own").Text(w)}, nil
	}
	return linesOf(did, t, did.right()[0], w), nil
}

// Lines are an answer as it is read, a line for each thing that is given.
func Lines(t Task, a Answer, w say.Vocabulary) ([]string, error) {
	did, t, err := open(t)
	if err != nil {
		return nil, err
	}
	return linesOf(did, t, a, w), nil
}

// Columns is a written method as a child worked it, row by row; nothing of other tasks.
func Columns(t Task, a Answer, w say.Vocabulary) ([]FaceLine, error) {
	did, _, err := open(t)
	if err != nil {
		return nil, err
	}
	return columnsOf(did, a, w), nil
}

func columnsOf(did work, a Answer, w say.Vocabulary) []FaceLine {
	if _, is := did.(columns); !is {
		return nil
	}
	lines := did.face(w).Lines
	for _, line := range lines {
		for i, cell := range line.Cells {
			if cell.Blank != "" {
				line.Cells[i] = FaceCell{Text: strings.TrimSpace(a[cell.Blank]), Place: cell.Place, Point: cell.Point}
			}
		}
	}
	return lines
}

// linesOf is an answer as it is read, a line for each thing that is given.
func linesOf(did work, t Task, a Answer, w say.Vocabulary) []string {
	face := did.face(w)
	lines := []string{}
	switch t.Kind {
	case column.Kind:
		c := did.(columns)
		return []string{w.Spell(c.typed + " = " + strings.Replace(c.written(a), " remainder ", " r ", 1))}
	case turns.Kind:
		return did.(turning).read(a, w)
	case fill.Kind:
		for _, line := range face.Lines {
			if line.Kind != Heads {
				lines = append(lines, w.Spell(line.filled(a)))
			}
		}
		return lines
	}
	for _, b := range face.Blanks {
		text := a[b.ID]
		switch b.Gives {
		case OnBoard:
			if shown, err := board.Parse(text); err == nil && len(shown.Models) == 1 {
				text = w.UnitForm(shown.Models[0].InPlay())
			}
		case FromBank:
			if t.Kind == match.Kind {
				text = b.ID + ": " + text
			}
		case Reason:
			if text == SaidAloud {
				text = say.New("task.told-aloud").Text(w)
			}
		}
		lines = append(lines, w.Spell(text))
	}
	return lines
}

// filled is a line with its gaps filled, as it is read.
func (l FaceLine) filled(key Answer) string {
	texts := make([]string, len(l.Cells))
	for i, c := range l.Cells {
		if texts[i] = c.Text; c.Blank != "" {
			texts[i] = key[c.Blank]
		}
	}
	switch l.Kind {
	case Sentence:
		return strings.Join(texts, "")
	case Bond:
		return texts[0] + " = " + strings.Join(texts[1:], " + ")
	case Row:
		return strings.Join(texts, " | ")
	case Chain:
		var stops []string
		for i := 0; i < len(texts); i += 2 {
			stops = append(stops, texts[i])
		}
		return strings.Join(stops, " → ")
	}
	return strings.Join(texts, " ")
}
