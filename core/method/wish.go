// One line in which a teacher says what the class shall see: a problem, a number, amounts on
// a model, or a list of such lines.

package method

import (
	"cmp"
	"slices"
	"strconv"
	"strings"
	"unicode"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
	"unitbloom/core/sentence"
)

// Wish is one way to show what a line says: as a worked example of a method, or with an empty
// Method on a free board.
type Wish struct {
	Method string `json:"method"`
	Model  string `json:"model"`
}

// Label is the wish in the class's words.
func (w Wish) Label(words say.Vocabulary) string {
	model := say.Text("model", say.Name, strings.ToLower(specOf(w.Model).Title))
	spec, err := Find(w.Method)
	switch {
	case err != nil:
		return say.New("wish.board", model).Phrase(words)
	case spec.OnBoard:
		return spec.Title
	}
	return say.New("wish.example", say.Text("method", say.Name, spec.Title), model).Phrase(words)
}

// Granted is what a line comes to: scenes with a title for all of them, how it was
// understood, and the other ways to show it. A list is understood line by line, and has no
// other ways.
type Granted struct {
	Title  string
	Scenes []lesson.Scene
	As     Wish
	Others []Shown
}

// Shown is a way to show a line, with what the class sees then.
type Shown struct {
	Wish
	Scenes []lesson.Scene
}

// mostOthers is how many other ways are worth telling.
const mostOthers = 6

// Grant reads what a teacher typed, in the numbers that her class writes. Asked is the way
// that she chose; nil leaves it to the line. Of a list, every line that says nothing is told.
func Grant(text string, asked *Wish, w say.Vocabulary) (Granted, []ListError) {
	var lines []string
	for _, line := range strings.FieldsFunc(text, func(r rune) bool { return r == '\n' || r == ';' }) {
		if line = strings.TrimSpace(line); line != "" {
			lines = append(lines, line)
		}
	}
	if len(lines) == 0 {
		return Granted{}, []ListError{{1, say.Refuse("wish-empty")}}
	}
	if len(lines) == 1 {
		g, err := grantLine(lines[0], asked, w)
		if err == nil {
			return g, nil
		}
		parts := strings.Split(w.Plain(lines[0]), ",")
		if len(parts) < 3 || hasSigns(lines[0]) {
			return Granted{}, []ListError{{1, err}}
		}
		lines = parts // no method takes them: one after another
	}
	var all Granted
	first := ""
	var faults []ListError
	for i, line := range lines {
		g, err := grantLine(line, nil, w)
		if err != nil {
			faults = append(faults, ListError{i + 1, err})
			continue
		}
		all.Scenes = append(all.Scenes, g.Scenes...)
		first = cmp.Or(first, g.Title)
	}
	all.Title = say.New("wish.list", say.Text("first", say.Given, first),
		say.Int("more", say.Given, len(lines)-1)).Phrase(w)
	return all, faults
}

func grantLine(line string, asked *Wish, w say.Vocabulary) (Granted, error) {
	said, model := onModel(line)
	g, err := grantSaid(line, said, model, asked, w)
	if digits := place.InDigits(said); err != nil && digits != said {
		if g, err := grantSaid(digits, digits, model, asked, w); err == nil {
			return g, nil
		}
	}
	return g, err
}

// grantSaid is what a line comes to, of which all but the model is said.
func grantSaid(line, said, model string, asked *Wish, w say.Vocabulary) (Granted, error) {
	text, err := inSigns(said, w)
	if err != nil {
		return Granted{}, err
	}
	amount, isAmount := amountOf(w.Plain(text))
	free, worked := boards(amount, isAmount), examples(text, isAmount, w)
	written, err := board.Parse(line)
	asBoard := err == nil
	if asBoard {
		free, worked = laidOut(written), examples(line, false, w)
	} else if said == "" && model != "" {
		if free, err = emptyBoard(model); err != nil {
			return Granted{}, err
		}
	}
	ways := slices.Concat(free, worked)
	if strings.Contains(text, "+") {
		ways = slices.Concat(worked, free) // a problem before anything
	}
	at := slices.IndexFunc(ways, func(way Shown) bool {
		if asked != nil {
			return way.Wish == *asked
		}
		return model == "" || way.Model == model
	})
	if at < 0 {
		return Granted{}, whyNot(text, amount, isAmount, asked, model, w)
	}
	title, shown := strings.TrimSpace(said), ways[at].Scenes[0]
	if asBoard && shown.Made != nil {
		title = shown.Title
	} else if asBoard {
		title = inUnits(written, w)
	} else if title == "" {
		title = specOf(model).Title
	} else if shown.Made != nil && !strings.ContainsFunc(strings.ReplaceAll(title, "x", ""), unicode.IsLetter) {
		title = w.Spell(shown.Made.Problem) // with the signs of print, not of the keyboard
	}
	g := Granted{Title: title, As: ways[at].Wish, Scenes: ways[at].Scenes}
	for i, way := range ways {
		if i != at && len(g.Others) < mostOthers {
			g.Others = append(g.Others, way)
		}
	}
	return g, nil
}

// inSigns is what a line says, in the signs of a problem: double 7 is 7 + 7, half of 14 is 14 ÷ 2,
// and of an equality that is true the side that is worked stays.
func inSigns(said string, w say.Vocabulary) (string, error) {
	text := unspoken(strings.TrimSpace(said), w)
	if id, n, ok := strings.Cut(strings.ToLower(text), " of "); ok && !strings.Contains(id, " ") {
		if _, err := Find(id); err == nil {
			return id + " " + n, nil
		}
	}
	if signs := Tokens(text); len(signs) > 1 && strings.Contains("-−", signs[0]) {
		_, err := place.Parse("-" + w.Plain(signs[1]))
		return "", err
	}
	text = withGap(text)
	left, right, equal := strings.Cut(strings.TrimSuffix(text, "="), "=")
	if !equal || strings.ContainsAny(text, "?□_<>") || strings.Contains(right, "=") {
		return text, nil
	}
	for _, side := range [][2]string{{left, right}, {right, left}} {
		if _, err := place.Parse(w.Plain(side[1])); err != nil || len(Tokens(side[0])) < 2 {
			continue
		}
		v, err := sentence.Judge(w.Plain(text))
		if err == nil && v.State == "false" {
			return "", say.Refuse("wish-false", say.Text("text", say.Given, text))
		}
		return strings.TrimSpace(side[0]), nil
	}
	return text, nil
}

// withGap writes the ? of the one number that was left out of an equality: 8 + = 10, 10 = 7 +.
func withGap(text string) string {
	if strings.Count(text, "=") != 1 || strings.ContainsAny(text, "?□_<>") {
		return text
	}
	var out []string
	gaps, before := 0, "="
	for _, token := range append(Tokens(text), "=") {
		if isSign(token) && before == "=" || token == "=" && isSign(before) {
			out = append(out, "?")
			gaps++
		}
		out = append(out, token)
		before = token
	}
	if gaps != 1 {
		return text
	}
	return strings.Join(out[:len(out)-1], " ")
}

// laidOut is a board that was written in its text form, as it is.
func laidOut(b board.Board) []Shown {
	return []Shown{{Wish{Model: b.Models[0].Kind()}, []lesson.Scene{freeBoard(b)}}}
}

// emptyBoard is a model that was only named, with nothing on it.
func emptyBoard(kind string) ([]Shown, error) {
	b, err := board.Parse(specOf(kind).Empty(0))
	return laidOut(b), err
}

// freeBoard is a board that shows a number. It has no title: that would tell the class.
func freeBoard(b board.Board) lesson.Scene {
	return lesson.Scene{Start: b, Show: []string{"numeral", "unitForm"}}
}

// inUnits is what lies on a board, model by model.
func inUnits(b board.Board, w say.Vocabulary) string {
	var forms []string
	for _, m := range b.Models {
		forms = append(forms, w.UnitForm(m.InPlay()))
	}
	return strings.Join(forms, " and ")
}

// whyNot is the refusal of what was asked for.
func whyNot(text, amount string, isAmount bool, asked *Wish, model string, w say.Vocabulary) error {
	way := Wish{Model: model}
	if asked != nil {
		way = *asked
	}
	if isAmount && way.Method == "" && way.Model != "" {
		_, err := boardOf(amount, way.Model)
		return err
	}
	_, why := makeWish(text, way, w)
	if asked == nil && model == "" && isWords(text) {
		return say.Refuse("wish-unread", say.Text("text", say.Given, text))
	}
	if asked == nil && model == "" {
		if points := withPoints(text, w); points != text && len(examples(points, false, w)) > 0 {
			return say.Refuse("wish-comma", say.Text("text", say.Given, points))
		}
		if isSeveral(text) {
			return say.Refuse("wish-several", say.Text("text", say.Given, text))
		}
	}
	if why != nil {
		return why
	}
	return say.Refuse("wish-empty")
}

// withPoints are decimals that were typed with a comma, in a class that writes a point.
func withPoints(text string, w say.Vocabulary) string {
	if w.Plain("1,5") == "1.5" {
		return text
	}
	return strings.ReplaceAll(text, ",", ".")
}

// isSeveral reports whether a problem has several operations, and is no sum.
func isSeveral(text string) bool {
	var signs []string
	for _, token := range Tokens(text) {
		if isSign(token) {
			signs = append(signs, token)
		}
	}
	return len(signs) > 1 && slices.ContainsFunc(signs, func(sign string) bool { return sign != "+" })
}

// isWords reports whether a line has more words than the name of a method.
func isWords(text string) bool {
	first, rest, _ := strings.Cut(strings.ReplaceAll(text, ",", " "), " ")
	if _, err := Find(first); err == nil {
		text = rest
	}
	return strings.ContainsFunc(strings.ReplaceAll(text, "x", ""), unicode.IsLetter)
}

// onModel cuts the model off a line that names one: "8 and 6 on a rack"; nothing is left of "ten frame".
func onModel(line string) (text, kind string) {
	if kind := modelCalled(line); kind != "" {
		return "", kind
	}
	for _, with := range []string{" on ", " with ", " in "} {
		at := strings.LastIndex(strings.ToLower(line), with)
		if at < 0 {
			continue
		}
		if kind := modelCalled(line[at+len(with):]); kind != "" {
			return line[:at], kind
		}
	}
	// 12 cubes.
	trimmed := strings.TrimSpace(line)
	if at := strings.LastIndex(trimmed, " "); at > 0 && strings.Contains("0123456789", trimmed[at-1:at]) {
		if kind := modelCalled(trimmed[at+1:]); kind != "" {
			return trimmed[:at], kind
		}
	}
	// blocks 231, ten frame 14.
	for at, r := range trimmed {
		if r == ' ' && strings.Contains("0123456789", trimmed[at+1:at+2]) {
			if kind := modelCalled(trimmed[:at]); kind != "" {
				return trimmed[at+1:], kind
			}
		}
	}
	return line, ""
}

// modelCalled is the model that a teacher calls by a name, or none.
func modelCalled(name string) string {
	name = strings.ToLower(strings.TrimSpace(name))
	for _, article := range []string{"a ", "an ", "the ", "two ", "some "} {
		name = strings.TrimPrefix(name, article)
	}
	for _, spec := range board.Specs() {
		if spec.Called(name) {
			return spec.Kind
		}
	}
	return ""
}

// amountOf is the amount that a line says, when it says no problem: a number, a unit form, or
// two numbers together.
func amountOf(text string) (string, bool) {
	text = strings.ReplaceAll(text, " and ", " + ")
	parts := strings.Split(text, "+")
	for _, part := range parts {
		if _, err := place.ParseAmount(part); err != nil {
			return "", false
		}
	}
	return strings.TrimSpace(text), true
}

// boards are the models that show an amount, as a free board.
func boards(amount string, isAmount bool) []Shown {
	if !isAmount {
		return nil
	}
	var ways []Shown
	for _, spec := range board.Specs() {
		if b, err := boardOf(amount, spec.Kind); err == nil {
			ways = append(ways, Shown{Wish{Model: spec.Kind}, []lesson.Scene{freeBoard(b)}})
		}
	}
	// Few are for models that show single things; more for those that show places, and hold them.
	total := totalOf(amount)
	few := total.Cmp(place.Int(20)) <= 0
	other := func(way Shown) int {
		most := specOf(way.Model).Most
		if single := most > 0 && most <= 100; single == few && fitsModel(way.Model, total) == nil {
			return 0
		}
		return 1
	}
	slices.SortStableFunc(ways, func(a, b Shown) int { return cmp.Compare(other(a), other(b)) })
	return ways
}

func totalOf(amount string) place.Number {
	var total place.Number
	for _, part := range strings.Split(amount, "+") {
		if form, err := place.ParseAmount(part); err == nil {
			v, _ := form.Total()
			total, _ = total.Add(v)
		}
	}
	return total
}

// boardOf is a board with an amount on it and room for it.
func boardOf(amount, kind string) (board.Board, error) {
	spec := specOf(kind)
	if spec.Empty == nil {
		return board.Board{}, say.Refuse("wish-empty")
	}
	total := totalOf(amount)
	if err := fitsModel(kind, total); err != nil {
		if spec.Acts.Reach == nil || strings.Contains(amount, "+") {
			return board.Board{}, err
		}
		amount = total.UnitForm().String() // in the larger pieces that it goes on with
	}
	b, err := board.Parse(spec.Empty(total.Count(place.Ones)))
	if err != nil {
		return board.Board{}, err
	}
	if b, _, err = board.Apply(b, spec.Acts.Build(amount)); err != nil || spec.Acts.Columns == nil {
		return b, err
	}
	b, _, err = board.Apply(b, spec.Acts.Columns(columnsOf(total, b.Models[0].InPlay())))
	return b, err
}

// columnsOf are the columns that a number needs, and the pieces that lie there: two at least.
func columnsOf(total place.Number, lying place.UnitForm) (top, bottom place.Place) {
	top = total.Top()
	for _, c := range lying {
		top, bottom = max(top, c.Place), min(bottom, c.Place)
	}
	return max(top, bottom+1), bottom
}

// examples are the methods that work what a line says, each with each of its models: first
// the one that the signs tell. A sum of two numbers that are named with "and" is no problem.
func examples(text string, isAmount bool, w say.Vocabulary) []Shown {
	first, err := ReadLine(text, w)
	if err != nil || isAmount && strings.Contains(text, " and ") {
		return nil
	}
	chosen, err := Find(first.Method)
	if err != nil {
		return nil
	}
	order := []Spec{chosen}
	if fact, small := factOf(first); small {
		order = []Spec{fact, chosen}
	}
	for _, spec := range specs {
		if spec.ID != chosen.ID && spec.ID != order[0].ID && spec.beside(chosen, text) {
			order = append(order, spec)
		}
	}
	var ways []Shown
	for i, spec := range order {
		for _, kind := range spec.Kinds() {
			way := Shown{Wish: Wish{spec.ID, kind}}
			if e, err := makeWish(text, way.Wish, w); err == nil {
				for _, one := range append([]Example{e}, e.More...) {
					way.Scenes = append(way.Scenes, one.SceneAs(""))
				}
				ways = append(ways, way)
			}
		}
		if i == 0 {
			ways = append(ways, asGroups(text, w)...)
		}
	}
	return ways
}

// asGroups are the ways to show the same number again and again as so many groups of it: 5 + 5 + 5
// is 3 × 5.
func asGroups(text string, w say.Vocabulary) []Shown {
	parts := strings.Split(text, "+")
	for i := range parts {
		if parts[i] = strings.TrimSpace(parts[i]); parts[i] != parts[0] {
			return nil
		}
	}
	if len(parts) < 3 {
		return nil
	}
	return examples(strconv.Itoa(len(parts))+" × "+parts[0], false, w)
}

// beside reports whether a method is another for what is worked by one: it works the same signs,
// or as it does without any.
func (s Spec) beside(chosen Spec, text string) bool {
	switch {
	case chosen.Signs == "" && hasSigns(text):
		return s.ID == compare.ID || s.ID == pattern.ID // several problems
	case chosen.Signs == "":
		return s.Signs == "" && s.Operation == chosen.Operation
	case s.Operation == chosen.Operation:
		return s.Signs != ""
	}
	return slices.ContainsFunc(Tokens(text), func(token string) bool {
		return isSign(token) && strings.Contains(s.Signs, mirrored(token)) && s.Operation == unitFact.Operation
	})
}

// factOf is the method for a sum or a difference that is to be known by heart.
func factOf(r Request) (Spec, bool) {
	if len(r.Args) != 3 {
		return Spec{}, false
	}
	whole, err := place.Parse(r.Args[0])
	if err != nil || whole.Cmp(place.Int(20)) > 0 {
		return Spec{}, false
	}
	switch r.Method {
	case columnAdd.ID:
		return addFacts, true
	case columnSubtract.ID:
		return subtractFacts, true
	}
	return Spec{}, false
}

func makeWish(text string, as Wish, w say.Vocabulary) (Example, error) {
	r, err := ReadLine(text, w)
	if err == nil && as.Method != "" && r.Method != as.Method {
		r, err = Typed(as.Method, w.Plain(text))
	}
	if err != nil {
		return Example{}, err
	}
	r.Model, r.Options = as.Model, map[string]string{}
	InWords(r.Options, w)
	return Make(r)
}

// Named is a list of scenes under ids of their own, which begin alike.
func Named(scenes []lesson.Scene, id string) []lesson.Scene {
	out := slices.Clone(scenes)
	for i := range out {
		out[i].ID = id
		if i > 0 {
			out[i].ID += "-" + strconv.Itoa(i)
		}
	}
	return out
}
