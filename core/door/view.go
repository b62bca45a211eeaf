package door

import (
	"maps"
	"slices"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
	"unitbloom/core/word"
)

// Outline is the lesson as the stem and the shelf show it, in the class's
// words.
type Outline struct {
	ID        string         `json:"id"`
	Title     string         `json:"title"`
	Objective string         `json:"objective"`
	Words     say.Vocabulary `json:"words"`
	Scenes    []SceneLine    `json:"scenes"`
	Record    []lesson.Entry `json:"record"`
	// Newer is set when the lesson is of a newer format: it is only read.
	Newer *lesson.Newer `json:"newer,omitempty"`
}

// SceneLine is one scene of the outline.
type SceneLine struct {
	ID    string `json:"id"`
	Title string `json:"title"`
	// Unnamed says that the title is the number on the board, which is not told to a class.
	Unnamed bool       `json:"unnamed,omitempty"`
	Steps   []StepLine `json:"steps"`
	Show    []string   `json:"show"`
	Marks   string     `json:"marks"`
	Method  string     `json:"method,omitempty"`
	Problem string     `json:"problem,omitempty"`
	// Aside is what the teacher notes for herself.
	Aside string `json:"aside,omitempty"`
	// Page is what the scene is, when it is not a board alone.
	Page lesson.Page `json:"page,omitempty" jsonschema:"enum=objective,enum=word,enum=blank"`
}

// StepLine is one step of the outline. Misfit says why a step no longer fits.
type StepLine struct {
	Say string `json:"say"`
	Ask string `json:"ask"`
	// Asks is the kind of the question.
	Asks   say.Kind `json:"asks,omitempty"`
	Answer string   `json:"answer"`
	Look   string   `json:"look"`
	Moves  int      `json:"moves"`
	Misfit string   `json:"misfit,omitempty"`
	Pause  bool     `json:"pause,omitempty"`
	// Glimpse says that the question is about what is seen at a glance: the pieces are shown
	// for as long as a look lasts.
	Glimpse bool `json:"glimpse,omitempty"`
}

func (s *session) outline() Outline {
	o := Outline{ID: s.doc.ID, Title: s.doc.Title, Objective: s.doc.Objective, Words: s.doc.Words, Scenes: []SceneLine{},
		Record: s.doc.Record, Newer: s.doc.Newer}
	if o.Record == nil {
		o.Record = []lesson.Entry{}
	}
	for _, sc := range s.doc.Scenes {
		line := SceneLine{ID: sc.ID, Title: s.titleOf(sc), Unnamed: unnamed(sc), Steps: []StepLine{},
			Show: orNone(sc.Show), Marks: sc.Marks, Page: sc.Page, Aside: sc.Aside}
		if sc.Made != nil {
			line.Method, line.Problem = sc.Made.Method, s.doc.Words.Spell(sc.Made.Problem)
		}
		outcomes := sc.Replay()
		for i, step := range sc.Steps {
			line.Steps = append(line.Steps, s.stepLine(step, outcomes[i].Err))
		}
		o.Scenes = append(o.Scenes, line)
	}
	return o
}

// titleOf is a scene's title: the teacher's as it is, a problem as the class writes it; a board
// without one is called by the number on it.
func (s *session) titleOf(sc lesson.Scene) string {
	if unnamed(sc) {
		return s.doc.Words.Spell(sc.Start.Numbers())
	}
	if sc.Made != nil && sc.Title == sc.Made.Problem {
		return s.doc.Words.Spell(sc.Title)
	}
	if title := word.Title(sc, s.doc.Words); title != "" {
		return title
	}
	return sc.Title
}

// unnamed reports whether a free board has no title but the number on it.
func unnamed(sc lesson.Scene) bool {
	free := len(sc.Steps) == 0 && sc.Page == lesson.BoardPage
	return free && strings.TrimSpace(sc.Title) == "" && sc.Start.Numbers() != ""
}

func (s *session) stepLine(step lesson.Step, misfit error) StepLine {
	w := s.doc.Words
	line := StepLine{Say: step.Say.Text(w), Ask: step.Ask.Text(w), Asks: step.Asks, Answer: step.Answer.Text(w),
		Look:  step.Look.Text(w),
		Moves: len(step.Moves), Pause: step.Pause, Glimpse: say.IsGlimpse(step.Ask.Message)}
	if misfit != nil {
		line.Misfit = misfit.Error()
	}
	return line
}

func orNone[T any](list []T) []T {
	if list == nil {
		return []T{}
	}
	return list
}

func orMap(m map[string]string) map[string]string {
	if m == nil {
		return map[string]string{}
	}
	return m
}

// Frame is everything that is seen at a step.
type Frame struct {
	Rev   int    `json:"rev"`
	Scene string `json:"scene"`
	Step  int    `json:"step"`
	Steps int    `json:"steps"`
	// Phase is how far the next step has come, and Open whether its question stands
	// unanswered.
	Phase   lesson.Phase `json:"phase"`
	Open    bool         `json:"open"`
	Scratch bool         `json:"scratch"`
	CanUndo bool         `json:"canUndo"`
	CanRedo bool         `json:"canRedo"`
	// Secrets is how much waits to be revealed on a free board.
	Secrets int `json:"secrets"`
	// Offers are lines that the record could have of what is shown.
	Offers []string  `json:"offers"`
	Board  BoardView `json:"board"`
	// Prompt is the step that is gone through, or the one just over. Its answer is
	// empty while the question is open.
	Prompt  StepLine `json:"prompt"`
	Written *Written `json:"written,omitempty"`
	// Lines are the sentences, texts, bonds and table rows written so far.
	Lines []WrittenLine `json:"lines"`
	// Focus is what the step looks at.
	Focus lesson.Focus `json:"focus"`
	// Extents are how large the example becomes, by the ways in which it can be laid; a free
	// board has none.
	Extents []Extent `json:"extents,omitempty"`
	// Way is how a free board is laid, where that is not as for building.
	Way *board.Way `json:"way,omitempty"`
	// Words are what each move of the step does, in the class's words, when the step was
	// gone to from the one before.
	Words []string `json:"words,omitempty"`
	// Beats are boards between the moves of a step, and Became what turned
	// into what, when the step was gone to from the one before.
	Beats  []BoardView    `json:"beats,omitempty"`
	Became []board.Became `json:"became,omitempty"`
	// Ink and Notes lie over the board at every step.
	Ink   []lesson.Stroke `json:"ink"`
	Notes []lesson.Note   `json:"notes"`
	// Ways are the children's ways that were taken in here.
	Ways []WayView `json:"ways"`
	// Capture says how far a capture has come.
	Capture Captured `json:"capture"`
}

// BoardView is a board as it is drawn.
type BoardView struct {
	Models   []ModelView `json:"models"`
	Notation string      `json:"notation"`
}

// ModelView is one model as it is drawn, with its pieces.
type ModelView struct {
	ModelHead
	Pieces Pieces `json:"pieces"`
}

// ModelHead is all of a model but its pieces.
type ModelHead struct {
	Kind     string            `json:"kind"`
	Title    string            `json:"title"`
	Width    int               `json:"width"`
	Linked   bool              `json:"linked"`
	W        int               `json:"w"`
	H        int               `json:"h"`
	Flags    []string          `json:"flags"`
	Settings map[string]string `json:"settings"`
	Counts   map[string]string `json:"counts"`
	Zones    []ZoneView        `json:"zones"`
	Decor    []board.Decor     `json:"decor"`
	Covers   []CoverView       `json:"covers"`
	// CountsShown says when the counts stand there, Held which read-outs are revealed.
	CountsShown board.Shown `json:"countsShown,omitempty" jsonschema:"enum=reveal,enum=never"`
	Held        []string    `json:"held"`
	ReadOuts    []ReadOut   `json:"readouts"`
	Kept        []KeptView  `json:"kept"`
	// Writes says that the written method can follow what is done with it.
	Writes bool `json:"writes,omitempty"`
	// Fives are the pieces of the ones as a larger picture has them, where they stand in stacks.
	Fives Pieces `json:"fives,omitempty"`
}

// CoverView is a cover where it lies on its model. Free covers are rectangles
// that can be moved; the others hide a whole zone.
type CoverView struct {
	Index int    `json:"index"`
	Zone  string `json:"zone"`
	Free  bool   `json:"free"`
	X     int    `json:"x"`
	Y     int    `json:"y"`
	W     int    `json:"w"`
	H     int    `json:"h"`
}

// KeptView is a kept copy of a model as it was, frozen.
type KeptView struct {
	W      int           `json:"w"`
	H      int           `json:"h"`
	Flags  []string      `json:"flags"`
	Zones  []ZoneView    `json:"zones"`
	Decor  []board.Decor `json:"decor"`
	Pieces Pieces        `json:"pieces"`
}

// ZoneView is a zone with its count, or a question mark under a cover.
type ZoneView struct {
	ID string `json:"id"`
	// Role is what the zone is, like group, and Number which of several, from 1.
	Role   string `json:"role"`
	Number int    `json:"number,omitempty"`
	Label  string `json:"label"`
	Count  string `json:"count"`
	X      int    `json:"x"`
	Y      int    `json:"y"`
	W      int    `json:"w"`
	H      int    `json:"h"`
	Side   bool   `json:"side,omitempty"`
	// Place is that of a column.
	Place *place.Place `json:"place,omitempty"`
	// One is the typed form of one more piece of the zone's place, Unit the
	// everyday name of its column, Shape that of its block, Size what a piece is worth.
	One   string `json:"one,omitempty"`
	Unit  string `json:"unit,omitempty"`
	Shape string `json:"shape,omitempty"`
	Size  string `json:"size,omitempty"`
	// Verb is what the zone offers at its foot, with the move that it makes.
	Verb string      `json:"verb,omitempty"`
	Move *board.Move `json:"move,omitempty"`
}

// ReadOut is one read-out: its text stays empty while it is held back.
type ReadOut struct {
	ID    string `json:"id"`
	Label string `json:"label"`
	Text  string `json:"text"`
	Shown bool   `json:"shown"`
	// Beside says that it stands on the board beside the model. Whole and Parts
	// are those of a bond.
	Beside bool     `json:"beside"`
	Whole  string   `json:"whole,omitempty"`
	Parts  []string `json:"parts,omitempty"`
}

func (s *session) frame() Frame {
	sc, ok := s.current()
	f := Frame{Rev: s.rev, Scene: s.scene, Step: s.step, Steps: len(sc.Steps), Phase: s.phase, Open: s.phase.Open(),
		Lines: []WrittenLine{}, Offers: []string{},
		Board: BoardView{Models: []ModelView{}}, Ink: orNone(sc.Ink), Notes: orNone(sc.Notes),
		Ways: []WayView{}}
	f.CanUndo, f.CanRedo = s.canTravel()
	if !ok {
		return f
	}
	b := s.board()
	f.Scratch = s.scratch != nil
	s.drawn = s.shownLayouts(b)
	f.Board = s.view(b, s.drawn, sc)
	f.Secrets, f.Offers = len(s.secrets(sc, b)), s.offers(sc, b)
	f.Capture = s.captured()
	f.Ways = s.wayViews(b)
	f.Focus = sc.FocusAt(s.focused(sc))
	f.Extents = s.extents(sc)
	if way := s.looseRoom(b).Way; way != (board.Way{}) {
		f.Way = &way
	}
	f.Prompt = s.prompt(sc)
	f.Written, f.Lines = written(sc, s.step, b, s.doc.Words)
	if len(sc.Steps) == 0 {
		f.Written = s.following(sc, b)
	}
	return f
}

// focused is the step that is looked at: the one that is gone through, or the one just
// over.
func (s *session) focused(sc lesson.Scene) int {
	if s.phase != lesson.Rest && s.step < len(sc.Steps) {
		return s.step
	}
	return s.step - 1
}

func (s *session) canTravel() (undo, redo bool) {
	if s.scratch != nil {
		return len(s.scratch.past) > 0, len(s.scratch.future) > 0
	}
	return len(s.past) > 0, len(s.future) > 0
}

// shownLayouts are the models as they may be seen, spelled as the class writes: nothing
// that is covered leaves the door.
func (s *session) shownLayouts(b board.Board) []board.Layout {
	out := make([]board.Layout, len(b.Models))
	for i := range b.Models {
		out[i] = spelled(b.ShownIn(i, s.room(b, i)), s.doc.Words)
	}
	return out
}

// spelled is a layout, which is nobody else's, with what stands on its pieces and behind
// them as the class writes it.
func spelled(l board.Layout, w say.Vocabulary) board.Layout {
	if !w.Spells() {
		return l
	}
	for i := range l.Pieces {
		if p := &l.Pieces[i]; p.Text != "" {
			p.Text = w.Spell(p.Text)
		}
	}
	for i := range l.Decor {
		d := &l.Decor[i]
		if d.Text = w.Spell(d.Text); d.Kind == "point" {
			d.Text = w.Point()
		}
	}
	return l
}

// prompt is the step that is gone through, else the one just over; at the start there
// is none.
func (s *session) prompt(sc lesson.Scene) StepLine {
	switch {
	case s.phase != lesson.Rest && s.step < len(sc.Steps):
		line := s.stepLine(sc.Steps[s.step], nil)
		if s.phase.Open() {
			line.Answer = ""
		}
		return line
	case s.step > 0:
		return s.stepLine(sc.Steps[s.step-1], nil)
	}
	return StepLine{}
}

func (s *session) view(b board.Board, laid []board.Layout, sc lesson.Scene) BoardView {
	v := BoardView{Models: []ModelView{}, Notation: board.PrintShown(b)}
	for i, l := range laid {
		v.Models = append(v.Models, ModelView{s.modelHead(b, i, l, sc), l.Pieces})
	}
	return v
}

func (s *session) modelHead(b board.Board, i int, l board.Layout, sc lesson.Scene) ModelHead {
	tile, w := b.Tiles[i], s.doc.Words
	if sc.Made != nil {
		tile.Title = w.Spell(tile.Title)
	}
	m := ModelHead{
		Kind: b.Models[i].Kind(), Title: tile.Title, Width: tile.Width, Linked: tile.Linked, W: l.W, H: l.H,
		Flags: orNone(l.Flags), Settings: orMap(maps.Clone(l.Settings)), Counts: orMap(maps.Clone(l.Counts)),
		Decor:  orNone(l.Decor),
		Covers: []CoverView{}, Kept: []KeptView{}, ReadOuts: []ReadOut{},
	}
	// Most boards have no cover, and a picture of one needs no room then.
	if b.IsCovered(i) {
		for _, c := range b.CoversIn(i, s.room(b, i)) {
			m.Covers = append(m.Covers, CoverView{c.Index, c.Zone, c.At != nil, c.X, c.Y, c.W, c.H})
		}
	}
	if l.Room.Tight {
		m.Fives = l.InFives()
	}
	spec, _ := board.SpecOf(m.Kind)
	m.Writes = i == 0 && spec.Written != nil && len(sc.Steps) == 0
	h := s.heldBack(sc)
	for name, count := range m.Counts {
		m.Counts[name] = w.Spell(count)
		if h.numbers[count] && h.moved {
			m.Counts[name] = board.Hidden
		}
	}
	for name, value := range m.Settings {
		m.Settings[name] = w.Spell(value)
	}
	told := s.told(sc)
	if len(told) > 0 {
		l.Zones = slices.Clone(l.Zones)
		for k := range l.Zones {
			l.Zones[k] = summed(l.Zones[k], told)
		}
	}
	m.Zones = s.zoneViews(i, l.Zones, h)
	later := s.stillToCount(sc, told)
	for k, z := range m.Zones {
		if text, counted := later[lesson.ZoneOf{Model: i, Zone: z.ID}]; counted && text == countOf(l.Zones[k]) {
			m.Zones[k].Count = board.Hidden
		}
	}
	if text, other := s.instead(i, tile); other {
		for name := range m.Counts {
			m.Counts[name] = text
		}
		for k := range m.Zones {
			m.Zones[k].Count = text
		}
	}
	m.CountsShown, m.Held = tile.Counts, orNone(tile.Held)
	for _, r := range b.ReadOuts(i, w) {
		out := ReadOut{ID: r.ID, Label: r.Label, Shown: slices.Contains(sc.Show, r.ID),
			Beside: slices.Contains(tile.Beside, r.ID) || slices.Contains(tile.Held, r.ID)}
		// What stands in the teacher's margin is not before a class.
		seen := out.Beside || out.Shown && !s.showing
		if seen && (h.all || s.readOutHeld(i, tile, r.ID)) {
			out.Text = board.Hidden
		} else if seen {
			out.Text, out.Whole, out.Parts = w.Spell(r.Text), w.Spell(r.Whole), slices.Clone(r.Parts)
			for k := range out.Parts {
				out.Parts[k] = w.Spell(out.Parts[k])
			}
		}
		m.ReadOuts = append(m.ReadOuts, out)
	}
	for _, kept := range tile.Kept {
		k := spelled(board.LayKept(kept, l.Room), w)
		m.Kept = append(m.Kept, KeptView{
			W: k.W, H: k.H, Flags: orNone(k.Flags), Zones: s.zoneViews(i, k.Zones, h), Decor: orNone(k.Decor), Pieces: k.Pieces,
		})
	}
	return m
}

// instead is what stands in place of a model's counts, where the teacher has held them back
// or has them off.
func (s *session) instead(model int, tile board.Tile) (text string, other bool) {
	switch {
	case tile.Counts == board.Never:
		return "", true
	case s.countsHeld(model, tile):
		return board.Hidden, true
	}
	return "", false
}

func (s *session) zoneViews(model int, zones []board.Zone, h held) []ZoneView {
	views := make([]ZoneView, len(zones))
	for i, z := range zones {
		views[i] = s.zoneView(model, z)
		views[i].Count = s.doc.Words.Spell(h.count(z, views[i].Count))
	}
	return views
}

func (s *session) zoneView(model int, z board.Zone) ZoneView {
	v := ZoneView{ID: z.ID, Label: z.Label, Count: countOf(z), X: z.X, Y: z.Y, W: z.W, H: z.H, Side: z.Side}
	v.Role, v.Number = z.Is()
	if z.Place != nil {
		p, w := *z.Place, s.doc.Words
		v.Place = z.Place
		v.Label, v.One, v.Shape, v.Size = w.PlaceName(p, 2), "1 "+p.Singular(), w.Shape(p), w.Spell(p.Value().String())
		if name := w.ColumnName(p); name != v.Label {
			v.Unit = name
		}
	}
	if z.Offer != nil {
		mv := z.Offer.Move
		mv.Model = model
		v.Verb, v.Move = z.Offer.Label.Text(s.doc.Words), &mv
	}
	if z.Hidden {
		v.Count = board.Hidden
	}
	return v
}

// Delta is the change list of a move: what the host needs to bring its picture from
// the last one to this, and the edits to save.
type Delta struct {
	Rev      int            `json:"rev"`
	Models   []ModelDelta   `json:"models"`
	Notation string         `json:"notation"`
	Scratch  bool           `json:"scratch"`
	CanUndo  bool           `json:"canUndo"`
	CanRedo  bool           `json:"canRedo"`
	Secrets  int            `json:"secrets"`
	Offers   []string       `json:"offers"`
	Became   []board.Became `json:"became"`
	Beats    []BoardView    `json:"beats"`
	Announce string         `json:"announce"`
	Warn     string         `json:"warn"`
	Edits    []lesson.Edit  `json:"edits"`
	// Written is the column method that follows a free board, where it is shown.
	Written *Written `json:"written,omitempty"`
	// Overlay is there when the move took ink and notes along.
	Overlay *Overlay `json:"overlay,omitempty"`
	Capture Captured `json:"capture"`
}

// ModelDelta is a model with what differs of its pieces: changed ones whole, moved
// ones in one flat list, since a bundle can move hundreds, and the ids of those gone.
// Those that moved alike stand together: how far to the right and down, in model units,
// how many they are, and their ids.
type ModelDelta struct {
	ModelHead
	Changed Pieces          `json:"changed"`
	Moved   []int32         `json:"moved"`
	Removed []board.PieceID `json:"removed"`
}

func (s *session) delta(was, b board.Board, effect board.Effect, edits []lesson.Edit, moved bool) Delta {
	sc, _ := s.current()
	now := s.shownLayouts(b)
	if len(now) != len(s.drawn) {
		s.drawn = make([]board.Layout, len(now))
	}
	undo, redo := s.canTravel()
	d := Delta{
		Rev: s.rev, Models: []ModelDelta{}, Notation: board.PrintShown(b), Scratch: s.scratch != nil, CanUndo: undo,
		CanRedo: redo, Secrets: len(s.secrets(sc, b)), Offers: s.offers(sc, b),
		Became: orNone(shownBecame(effect.Became, was, b)), Beats: []BoardView{}, Announce: s.announce(b, effect, sc),
		Warn: s.warning(effect), Edits: orNone(edits), Capture: s.captured(),
	}
	for _, stage := range effect.Stages {
		d.Beats = append(d.Beats, s.view(stage, s.shownLayouts(stage), sc))
	}
	for i, l := range now {
		d.Models = append(d.Models, s.modelDelta(b, i, l, sc))
	}
	if len(sc.Steps) == 0 {
		d.Written = s.following(sc, b)
	}
	if s.drawn = now; moved {
		d.Overlay = &Overlay{orNone(sc.Ink), orNone(sc.Notes)}
	}
	return d
}

func (s *session) modelDelta(b board.Board, i int, l board.Layout, sc lesson.Scene) ModelDelta {
	c := s.drawn[i].ChangesTo(l)
	m := ModelDelta{ModelHead: s.modelHead(b, i, l, sc), Changed: make(Pieces, len(c.Changed)), Removed: orNone(c.Removed)}
	for k, p := range c.Changed {
		m.Changed[k] = *p
	}
	m.Moved = inShifts(c.Moved)
	return m
}

// inShifts tells moved pieces by how far they moved.
func inShifts(moved []board.Moved) []int32 {
	type shift struct {
		dx, dy int32
		ids    []int32
	}
	var shifts []shift
	at := map[[2]int32]int{}
	for _, p := range moved {
		by := [2]int32{p.DX, p.DY}
		k, known := at[by]
		if !known {
			k = len(shifts)
			at[by], shifts = k, append(shifts, shift{dx: p.DX, dy: p.DY})
		}
		shifts[k].ids = append(shifts[k].ids, int32(p.ID))
	}
	out := make([]int32, 0, len(moved)+3*len(shifts))
	for _, x := range shifts {
		out = append(append(out, x.dx, x.dy, int32(len(x.ids))), x.ids...)
	}
	return out
}

// shownBecame is what became what among the pieces that a host has seen or will see.
func shownBecame(list []board.Became, was, now board.Board) []board.Became {
	if len(list) == 0 || len(was.Covers) == 0 && len(now.Covers) == 0 {
		return list
	}
	seen := map[board.PieceID]bool{}
	for _, b := range []board.Board{was, now} {
		for i := range b.Models {
			for id := range b.ShownIDs(i) {
				seen[id] = true
			}
		}
	}
	hidden := func(id board.PieceID) bool { return !seen[id] }
	var out []board.Became
	for _, x := range list {
		from, to := slices.DeleteFunc(slices.Clone(x.From), hidden), slices.DeleteFunc(slices.Clone(x.To), hidden)
		if len(from) > 0 && len(to) > 0 {
			out = append(out, board.Became{From: from, To: to})
		}
	}
	return out
}

// announce says what the move did, and the number when it is shown.
func (s *session) announce(b board.Board, effect board.Effect, sc lesson.Scene) string {
	text := effect.Said.Text(s.doc.Words)
	if !slices.Contains(sc.Show, "numeral") || s.heldBack(sc).all {
		return text
	}
	for i, m := range b.Models {
		if !b.IsCovered(i) && !s.readOutHeld(i, b.Tiles[i], "numeral") {
			text += " " + say.New("total.is", say.Number("n", say.Amount, board.Total(m))).Text(s.doc.Words)
		}
	}
	return strings.TrimSpace(text)
}

// Overlay is the ink and notes of a scene, told when a move took them along.
type Overlay struct {
	Ink   []lesson.Stroke `json:"ink"`
	Notes []lesson.Note   `json:"notes"`
}

// warning says what else the move did.
func (s *session) warning(effect board.Effect) string {
	var texts []string
	for _, m := range effect.Also {
		texts = append(texts, m.Text(s.doc.Words))
	}
	return strings.Join(texts, " ")
}

// Written is the column method as it stands: a grid of places and rows.
type Written struct {
	Marks string `json:"marks"`
	// Point is the sign after the ones, in the rows that go on behind it.
	Point   string   `json:"point"`
	Pointed []string `json:"pointed"`
	Places  []string `json:"places"`
	// Rows are all that the method comes to have, from the top.
	Rows  []string `json:"rows"`
	Cells []Cell   `json:"cells"`
}

// The rows of a sum or a difference, without its marks, and those of a division, whose
// marks stand in the dividend.
var (
	sumRows      = []string{"addend 1", "addend 2", "addend 3", "addend 4", "sum"}
	divisionRows = []string{"quotient", "dividend"}
)

// rowsOf are the rows of a written method that uses some, with a row for the marks of a sum
// whether it comes to have any or not.
func rowsOf(marks string, uses func(row string) bool) []string {
	if uses("dividend") {
		return divisionRows
	}
	rows := slices.DeleteFunc(slices.Clone(sumRows), func(row string) bool { return !uses(row) })
	if !uses("addend 1") && !uses("mark") {
		return rows
	}
	if marks == "below" {
		return append(rows, "mark")
	}
	return append([]string{"mark"}, rows...)
}

// WrittenLine is one thing written beside the grid: a sentence or a text, a bond
// with its whole and parts, or a row of a table with its cells and what each lacks at its
// end, for its digits to stand under those of numbers with more places.
type WrittenLine struct {
	Kind  string   `json:"kind"`
	Text  string   `json:"text,omitempty"`
	Cells []string `json:"cells,omitempty"`
	Ends  []string `json:"ends,omitempty"`
	Heads []string `json:"heads,omitempty"`
	Whole string   `json:"whole,omitempty"`
	Parts []string `json:"parts,omitempty"`
}

// Cell is one sign of the grid and the pieces of the first model that it
// stands for. Place is empty in the sign's column.
type Cell struct {
	Row   string          `json:"row"`
	Place string          `json:"place"`
	Text  string          `json:"text"`
	IDs   []board.PieceID `json:"ids"`
	New   bool            `json:"new"`
}

// written collects what the first n steps wrote. The grid is as wide as the
// whole example needs, so that it does not shift as it grows.
func written(sc lesson.Scene, n int, b board.Board, words say.Vocabulary) (*Written, []WrittenLine) {
	w := Written{Marks: sc.Marks, Point: words.Point(), Pointed: []string{}, Cells: []Cell{}, Places: []string{}}
	if w.Marks == "" {
		w.Marks = "above"
	}
	lines, most := []WrittenLine{}, decimalsOf(sc)
	top, low, grid := place.Ones, place.Ones, false
	used := map[string]bool{}
	for i, step := range sc.Steps {
		for _, wr := range step.Write {
			switch {
			case wr.Kind == "cell":
				grid, used[wr.Row] = true, true
				if wr.Place != nil {
					top, low = max(top, *wr.Place), min(low, *wr.Place)
					w.point(wr.Row, *wr.Place)
				}
				if i < n {
					w.Cells = append(w.Cells, cellOf(wr, b, i == n-1))
				}
			case i < n:
				ends := most.ends(wr.Cells, w.Point)
				wr = wr.Spelled(words)
				lines = append(lines, WrittenLine{wr.Kind, wr.Text, wr.Cells, ends, wr.Heads, wr.Whole, wr.Parts})
			}
		}
	}
	if !grid {
		return nil, lines
	}
	w.Rows = rowsOf(w.Marks, func(row string) bool { return used[row] })
	for p := top; p >= low; p-- {
		w.Places = append(w.Places, p.Plural())
	}
	return &w, lines
}

// following is the column method as it follows the first model of a free board; nothing of
// it is told while something there is covered.
func (s *session) following(sc lesson.Scene, b board.Board) *Written {
	if !slices.Contains(sc.Show, showWritten) {
		return nil
	}
	spec, _ := board.SpecOf(b.Models[0].Kind())
	w := &Written{Marks: sc.Marks, Point: s.doc.Words.Point(), Pointed: []string{}, Cells: []Cell{}, Places: []string{}}
	if w.Marks == "" {
		w.Marks = "above"
	}
	if spec.Written == nil || b.IsCovered(0) {
		w.Rows = rowsOf(w.Marks, func(row string) bool { return row == "addend 1" || row == "sum" })
		return w
	}
	top, low := place.Ones, place.Ones
	for _, c := range spec.Written(b.Models[0]) {
		if c.Place != nil {
			top, low = max(top, *c.Place), min(low, *c.Place)
			w.point(c.Row, *c.Place)
		}
		w.Cells = append(w.Cells, cellOf(lesson.Write{Kind: "cell", Row: c.Row, Place: c.Place, Text: c.Text,
			Stands: c.Stands}, b, false))
	}
	for p := top; p >= low; p-- {
		w.Places = append(w.Places, p.Plural())
	}
	w.Rows = rowsOf(w.Marks, func(row string) bool {
		return row == "addend 1" || row == "sum" ||
			slices.ContainsFunc(w.Cells, func(c Cell) bool { return c.Row == row })
	})
	return w
}

// point notes a row that has something behind the point: a whole number has none.
func (w *Written) point(row string, p place.Place) {
	if p < place.Ones && row != "mark" && !slices.Contains(w.Pointed, row) {
		w.Pointed = append(w.Pointed, row)
	}
}

func cellOf(wr lesson.Write, b board.Board, isNew bool) Cell {
	c := Cell{Row: wr.Row, Text: wr.Text, IDs: []board.PieceID{}, New: isNew}
	if wr.Place != nil {
		c.Place = wr.Place.Plural()
	}
	spec, _ := board.SpecOf(b.Models[0].Kind())
	for _, sel := range wr.Stands {
		c.IDs = append(c.IDs, spec.Find(b.Models[0], sel)...)
	}
	if b.IsCovered(0) {
		seen := b.ShownIDs(0)
		c.IDs = slices.DeleteFunc(c.IDs, func(id board.PieceID) bool { return !seen[id] })
	}
	return c
}
