// Package method turns problems into worked examples: scenes whose steps an
// expert teacher would give, built on the models' own moves. One file a method.
package method

import (
	"slices"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	_ "unitbloom/core/model" // the models that examples are built on
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// Spec is the registry's line for a method.
type Spec struct {
	ID    string
	Title string
	Doc   string
	// Operation groups the methods for choosing: "number", "add", "subtract",
	// "multiply", "divide".
	Operation string
	// Args shows the arguments, Sample is a problem that works, and Typed the same
	// as a teacher types it in one line.
	Args   string
	Sample []string
	Typed  string
	// Limits say in words what fits.
	Limits string
	// Models are the kinds that it is taught with; none for every kind that there is.
	Models []string
	// OnBoard is whether its problem is a board, which is of the one kind that it can be shown with.
	OnBoard bool
	Options []Option
	// Signs are those that it works; a problem with another one is refused. Empty for a
	// method whose problems have none.
	Signs string

	// stops are how much it asks; the zero value asks as most methods do.
	stops stops
	make  func(Request) (Example, error)
	// read turns a typed line into arguments, when it is not numbers and signs.
	read func(string) []string
	// redraw gives other arguments for a problem like this one, when that is not every
	// number drawn anew.
	redraw func(args []string, draw func(int) int) []string
	// grow gives arguments for a problem that may be harder, when that is not every number drawn
	// anew with a digit more now and then.
	grow func(args []string, draw func(int) int) []string
}

// Option is something that a teacher chooses; the first choice is the default. One
// without choices is a text of her own, with a sample of such.
type Option struct {
	Name    string   `json:"name"`
	Doc     string   `json:"doc"`
	Choices []string `json:"choices,omitempty"`
	Sample  string   `json:"sample,omitempty"`
}

// choice is an option of several.
func choice(name, doc string, choices ...string) Option {
	return Option{Name: name, Doc: doc, Choices: choices}
}

// Request is a problem with what the teacher chose.
type Request struct {
	Method  string            `json:"method,omitempty"`
	Args    []string          `json:"args,omitempty"`
	Model   string            `json:"model,omitempty"`
	Options map[string]string `json:"options,omitempty"`
	// InSet is where in a set of examples this one is, when it is made for one: the first
	// explains, the last is checked.
	InSet Nth `json:"-"`
}

// Nth is a place in a set of so many, counted from 1; the zero value is no set.
type Nth struct{ N, Of int }

// Example is a worked example: its scene, whose Made says the problem and the
// answer, and the board after its last step. A method that shows several ways
// has More: an example for each further way.
type Example struct {
	Scene lesson.Scene
	Words say.Vocabulary
	End   board.Board
	More  []Example
	// Offer is a problem that the set would do well to have, for the teacher alone.
	Offer string
	// like is what the problem is about, which a parallel problem shares, where no move
	// tells it.
	like string
	// hard is how hard the problem is, where that is not told by its digits and its regroupings.
	hard hardness
}

// In is the example in a class's words; those that the request chose stay.
func (e Example) In(w say.Vocabulary) Example {
	w.Regroup, w.Ones = e.Words.Regroup, e.Words.Ones
	e.Words = w
	e.More = slices.Clone(e.More)
	for i := range e.More {
		e.More[i] = e.More[i].In(w)
	}
	return e
}

// SceneAs is the example's scene under an id, with the read-outs that it begins with.
func (e Example) SceneAs(id string) lesson.Scene {
	sc := e.Scene
	sc.ID = id
	if sc.Show == nil {
		sc.Show = []string{"unitForm"}
	}
	return sc
}

// sharedOptions are those of every method.
var sharedOptions = []Option{
	choice("regroup", "What the class calls making ten into one of the next.", say.RegroupChoices()...),
	choice("ones", "What the class calls the ones.", "ones", "units"),
	choice("pace", "Whether pieces come by groups or one at a time.", "by groups", "one by one"),
	choice("ask", "How much is asked: the key steps, as many as suit the age, every step, or nothing, and all is told.",
		"key steps", "every step", "never"),
	choice("age", "How old the class is: how much is asked, and how long a sentence is.", Ages...),
	choice("answer", "The side of a sentence that the answer stands on.", "last", "first"),
	storyOption,
}

// Specs lists the methods: one line each.
func Specs() []Spec { return specs }

// The methods refer to Find, which looks through them, hence init.
var specs []Spec

func init() {
	specs = []Spec{
		build, read, count, teens, moreLess, compare, shift,
		addFacts, bonds, snap, turn, columnAdd,
		subtractFacts, difference, columnSubtract, pattern, unknown,
		array, unitFact, shortMultiply, share, group,
	}
}

// Find is the method of an id.
func Find(id string) (Spec, error) {
	for i := range specs {
		if specs[i].ID == id {
			return specs[i], nil
		}
	}
	return Spec{}, say.Refuse("no-method", say.Text("method", say.Given, id))
}

// Make gives the worked example of a request. A problem that does not fit is
// refused with a plain reason.
func Make(r Request) (Example, error) {
	spec, err := Find(r.Method)
	if err != nil {
		return Example{}, err
	}
	if r.Options, err = spec.choose(r.Options); err != nil {
		return Example{}, err
	}
	if err := spec.works(r.Args); err != nil {
		return Example{}, err
	}
	if r.Model != "" && !slices.Contains(spec.Kinds(), r.Model) {
		return Example{}, say.Refuse("method-model", say.Text("method", say.Name, spec.Title),
			say.Text("models", say.Name, say.Listed(spec.Kinds())), say.Text("model", say.Given, r.Model))
	}
	e, err := Example{}, error(nil)
	if r.Model != "" || spec.OnBoard {
		e, err = spec.make(r)
	} else {
		e, err = spec.firstThatFits(r)
	}
	if err != nil {
		return Example{}, err
	}
	return spec.storied(r, e)
}

// works refuses a problem with a sign that the method does not work, and names the
// method that does: 7 − 2 is no sum.
func (s Spec) works(args []string) error {
	if s.Signs == "" {
		return nil
	}
	for _, a := range args {
		if s.knows(a) {
			continue
		}
		problem := strings.Join(args, " ")
		values := []say.Value{say.Text("method", say.Name, s.Title), say.Text("signs", say.Given,
			strings.Join(strings.Split(s.Signs, ""), " or ")), say.Text("problem", say.Given, problem)}
		if other, works := worker(problem); works {
			return say.Refuse("sign", append(values, say.Text("other", say.Name, other.Title))...)
		}
		return say.Refuse("sign.none", values...)
	}
	return nil
}

// knows reports whether a token is no sign, or one that the method works.
func (s Spec) knows(token string) bool {
	return s.Signs == "" || !isSign(token) || strings.Contains(s.Signs, mirrored(token))
}

// worker is the method that works a problem, if one does.
func worker(problem string) (Spec, bool) {
	r, err := Typed("", problem)
	if err != nil {
		return Spec{}, false
	}
	spec, err := Find(r.Method)
	if err != nil || slices.ContainsFunc(r.Args, func(a string) bool { return !spec.knows(a) }) {
		return Spec{}, false
	}
	if fact, small := factOf(r); small {
		if _, err := Make(Request{Method: fact.ID, Args: r.Args}); err == nil {
			return fact, true
		}
	}
	_, err = Make(r)
	return spec, err == nil
}

// firstThatFits makes the example on the first of the method's models that holds
// the problem. When none does, the reason of the one that holds most is given.
func (s Spec) firstThatFits(r Request) (Example, error) {
	var reason error
	most := 0
	for _, model := range s.Kinds() {
		r.Model = model
		e, err := s.make(r)
		if err == nil {
			return e, nil
		}
		if holds := mostOf(model); holds > most {
			reason, most = err, holds
		}
	}
	return Example{}, reason
}

// AllOptions are the method's own options and those that all share; its own stand for one of the same name.
func (s Spec) AllOptions() []Option {
	all := slices.Clone(s.Options)
	for _, shared := range sharedOptions {
		if !s.owns(shared.Name) {
			all = append(all, shared)
		}
	}
	return all
}

// owns tells whether an option is the method's own.
func (s Spec) owns(option string) bool {
	return slices.ContainsFunc(s.Options, func(o Option) bool { return o.Name == option })
}

// choose checks the options and fills in the defaults.
func (s Spec) choose(given map[string]string) (map[string]string, error) {
	chosen := map[string]string{}
	for _, o := range s.AllOptions() {
		value, ok := given[o.Name]
		if !ok && len(o.Choices) > 0 {
			value = o.Choices[0]
		}
		if len(o.Choices) > 0 && !slices.Contains(o.Choices, value) {
			return nil, say.Refuse("bad-option", say.Text("option", say.Given, o.Name),
				say.Text("value", say.Given, value), say.Text("choices", say.Given, strings.Join(o.Choices, ", ")))
		}
		chosen[o.Name] = value
	}
	for name := range given {
		if _, ok := chosen[name]; !ok {
			return nil, say.Refuse("bad-option", say.Text("option", say.Given, "an option"), say.Text("value", say.Given, name),
				say.Text("choices", say.Given, strings.Join(s.optionNames(), ", ")))
		}
	}
	return chosen, nil
}

func (s Spec) optionNames() []string {
	var names []string
	for _, o := range s.AllOptions() {
		names = append(names, o.Name)
	}
	return names
}

// Words are the class's words of a request.
func (r Request) words() say.Vocabulary {
	return say.Vocabulary{Regroup: r.Options["regroup"], Ones: r.Options["ones"]}
}

// Plain is the example as the command line prints it: every line a text.
type Plain struct {
	Line    int         `json:"line,omitempty"`
	Method  string      `json:"method"`
	Title   string      `json:"title"`
	Problem string      `json:"problem"`
	Answer  string      `json:"answer"`
	Model   string      `json:"model"`
	Steps   []PlainStep `json:"steps"`
	Start   board.Board `json:"start"`
	End     board.Board `json:"end"`
	// Offer is a problem that the set would do well to have, for the teacher alone.
	Offer string `json:"offer,omitempty"`
	// Scenes are all ways, this first, of a method that shows several.
	Scenes []Plain `json:"scenes,omitempty"`
}

// PlainStep is one step with its lines in the class's words.
type PlainStep struct {
	Say string `json:"say"`
	Ask string `json:"ask"`
	// Asks is the kind of the question; empty where nothing is asked.
	Asks     say.Kind       `json:"asks"`
	Answer   string         `json:"answer"`
	Look     string         `json:"look"`
	Write    []lesson.Write `json:"write"`
	Moves    []board.Move   `json:"moves"`
	Total    string         `json:"total"`
	UnitForm string         `json:"unitForm"`
}

// Plain gives the example in the class's words.
func (e Example) Plain() Plain {
	made, w := e.Scene.Made, e.Words
	p := Plain{Method: made.Method, Title: w.Spell(e.Scene.Title), Problem: w.Spell(made.Problem),
		Answer: w.Spell(made.Answer),
		Model:  made.Model, Start: e.Scene.Start, End: e.End, Offer: w.Spell(e.Offer)}
	p.Steps = make([]PlainStep, 0, len(e.Scene.Steps))
	for _, s := range e.Scene.Steps {
		p.Steps = append(p.Steps, PlainStep{
			Say: s.Say.Text(w), Ask: s.Ask.Text(w), Asks: s.Asks, Answer: s.Answer.Text(w), Look: s.Look.Text(w),
			Write: written(s.Write, w), Moves: orEmpty(s.Moves), Total: s.Total, UnitForm: s.UnitForm,
		})
	}
	if len(e.More) > 0 {
		p.Scenes = []Plain{p}
		for _, more := range e.More {
			p.Scenes = append(p.Scenes, more.Plain())
		}
	}
	return p
}

func written(list []lesson.Write, w say.Vocabulary) []lesson.Write {
	out := make([]lesson.Write, len(list))
	for i := range list {
		out[i] = list[i].Spelled(w)
	}
	return out
}

func orEmpty[T any](list []T) []T {
	if list == nil {
		return []T{}
	}
	return list
}

// builder collects the steps of a scene and keeps the board in step with them.
type builder struct {
	scene lesson.Scene
	now   board.Board
	err   error
	// asks is how much is asked, and keys how much the question of each step matters.
	asks string
	keys map[int]int
	// slow is whether pieces come and go one at a time.
	slow bool
}

func newBuilder(start board.Board) *builder {
	return &builder{scene: lesson.Scene{Start: start, Steps: make([]lesson.Step, 0, 24)}, now: start, keys: map[int]int{}}
}

// first adds a step whose question an example of the method is about.
func (b *builder) first(s lesson.Step) { b.add(s, 2) }

// key adds a step whose question matters.
func (b *builder) key(s lesson.Step) { b.add(s, 1) }

// step adds a step whose question is told, unless every step asks.
func (b *builder) step(s lesson.Step) { b.add(s, 0) }

// add adds a step, plays its moves, and notes what the model then shows.
func (b *builder) add(s lesson.Step, key int) {
	if b.err != nil {
		return
	}
	moves, next, err := b.play(s.Moves)
	if err != nil {
		b.err = err
		return
	}
	b.now, s.Moves = next, moves
	if s.Asks == "" {
		s.Asks = say.KindOf(s.Ask.Message.ID)
	}
	s.Total = board.Total(next.Models[0]).String()
	s.UnitForm = next.Models[0].InPlay().String()
	s.Moves, s.Write = orEmpty(s.Moves), orEmpty(s.Write)
	b.keys[len(b.scene.Steps)] = key
	b.scene.Steps = append(b.scene.Steps, s)
}

// play makes the moves at the pace that was chosen: those made, and the board
// after them.
func (b *builder) play(moves []board.Move) (made []board.Move, next board.Board, err error) {
	if !b.slow {
		next, err = board.ApplyAll(b.now, moves)
		return moves, next, err
	}
	next = b.now
	for _, mv := range moves {
		list := oneByOne(next, mv)
		if next, err = board.ApplyAll(next, list); err != nil {
			return nil, next, err
		}
		made = append(made, list...)
	}
	return made, next, nil
}

func line(id string, values ...say.Value) say.Line { return say.Line{Message: say.New(id, values...)} }

// Typed reads a problem as a teacher types it in one line for a method, or says it there; without
// one, the signs tell: "146 + 87" is a column addition.
func Typed(id, text string) (Request, error) {
	return inProblem(id, unspoken(strings.TrimSpace(text), say.Vocabulary{}))
}

// inProblem reads a problem that is written with signs.
func inProblem(id, text string) (Request, error) {
	text = strings.TrimSpace(strings.TrimSuffix(strings.TrimSpace(text), "="))
	if id == "" {
		id = methodOf(text)
	}
	spec, err := Find(id)
	if err != nil {
		return Request{}, err
	}
	if spec.read != nil {
		return Request{Method: id, Args: spec.read(text)}, nil
	}
	return Request{Method: id, Args: Tokens(text)}, nil
}

// hasSigns reports whether a line works anything.
func hasSigns(text string) bool { return strings.ContainsAny(text, "+-−–×x*÷/:") }

// methodOf guesses the method of a problem from its signs; a board in notation is to be read.
func methodOf(text string) string {
	if _, err := board.Parse(text); err == nil {
		return read.ID
	}
	switch {
	case strings.ContainsAny(text, "?□_"):
		if !strings.ContainsAny(text, "=,") && (!hasSigns(text) || strings.Count(text, "+") == 2) {
			return compare.ID // 402 ? 420
		}
		return unknown.ID
	case strings.Contains(text, ",") && !hasSigns(text):
		return compare.ID
	case strings.Count(text, ",") == 1 && strings.Count(text, "+") == 2:
		return compare.ID
	case strings.Contains(text, ",") && strings.ContainsAny(text, "+-−–"):
		return pattern.ID
	case strings.Contains(text, "+"):
		return columnAdd.ID
	case strings.ContainsAny(text, "-−–"):
		return columnSubtract.ID
	case strings.ContainsAny(text, "×x*"):
		if _, last, _ := strings.Cut(strings.NewReplacer("x", "×", "*", "×").Replace(text),
			"×"); isPower(strings.TrimSpace(last)) {
			return shift.ID
		}
		return timesMethod(Tokens(text))
	case strings.ContainsAny(text, "÷/:"):
		if _, last, _ := strings.Cut(strings.NewReplacer("/", "÷", ":", "÷").Replace(text),
			"÷"); isPower(strings.TrimSpace(last)) {
			return shift.ID
		}
		return share.ID
	}
	return build.ID
}

// timesMethod is the method of a product that is typed: rows where both are small, a
// fact and its unit where the numbers are round, and else by columns.
func timesMethod(tokens []string) string {
	if len(tokens) != 3 {
		return array.ID
	}
	a, err1 := place.Parse(tokens[0])
	b, err2 := place.Parse(tokens[2])
	if err1 != nil || err2 != nil {
		return array.ID
	}
	x, y := unitsOf(a.Number), unitsOf(b.Number)
	twelve := place.Int(12)
	switch {
	case a.Number.Cmp(twelve) <= 0 && b.Number.Cmp(twelve) <= 0 && lowest(a.Number) == place.Ones &&
		lowest(b.Number) == place.Ones:
		return array.ID
	case x.count <= 12 && y.count <= 12 && x.count > 0 && y.count > 0 && y.at >= place.Ones &&
		(x.at != place.Ones || y.at != place.Ones):
		return unitFact.ID
	}
	return shortMultiply.ID
}

func isPower(s string) bool {
	s = strings.NewReplacer(" ", "", ",", "").Replace(s)
	return s == "10" || s == "100" || s == "1000"
}

// Tokens parts a typed line into numbers and signs; spaces inside a number stay
// with it: "4 002 - 1 567".
func Tokens(text string) []string {
	var out []string
	number := ""
	end := func() {
		if n := strings.TrimSpace(number); n != "" {
			out = append(out, n)
		}
		number = ""
	}
	for _, r := range text {
		if strings.ContainsRune("+-−–×x*÷/:<>=", r) {
			end()
			if r == '–' {
				r = '−'
			}
			out = append(out, string(r))
			continue
		}
		number += string(r)
	}
	end()
	return out
}
