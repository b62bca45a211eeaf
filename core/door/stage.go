package door

import (
	"maps"
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
)

// stage is the room of the example that is shown: set once, and wider only when the
// teacher tries something that needs more. It is found anew for another example.
type stage struct {
	of    example
	way   board.Way
	rooms []board.Room
	ways  []Extent
}

// example tells worked examples apart. Nothing of a document is altered in place, so that
// the same steps are the same example.
type example struct {
	id    string
	steps *lesson.Step
	start *board.Model
}

func exampleOf(sc lesson.Scene) example {
	e := example{id: sc.ID}
	if len(sc.Steps) > 0 && len(sc.Start.Models) > 0 {
		e.steps, e.start = &sc.Steps[0], &sc.Start.Models[0]
	}
	return e
}

// Extent is how large an example becomes in one way of laying it.
type Extent struct {
	board.Way
	Models []ModelExtent `json:"models"`
	// Written is how much is written beside the board in the end.
	Written WrittenExtent `json:"written"`
}

// ModelExtent is how large a model becomes, in model units, what its smallest piece
// measures, how much room the copies beside it take, and how far the pieces in each column
// reach from its corner, by the column's zone.
type ModelExtent struct {
	W     int                   `json:"w"`
	H     int                   `json:"h"`
	Least int                   `json:"least"`
	Kept  board.Size            `json:"kept"`
	Reach map[string]board.Size `json:"reach"`
}

// WrittenExtent is all that an example writes outside its grid: its sentences and texts, its
// bonds, and the cells of its table with what they lack at their ends.
type WrittenExtent struct {
	Lines []string   `json:"lines"`
	Bonds int        `json:"bonds"`
	Table [][]string `json:"table"`
}

// setStage finds the room of the example that is shown, unless it is known.
func (s *session) setStage(sc lesson.Scene) {
	if is := exampleOf(sc); s.stage.of != is || s.stage.way != s.way {
		s.stage = stage{of: is, way: s.way, rooms: sc.Rooms(s.way)}
	}
}

// room is where model i of a board of the shown scene is laid.
func (s *session) room(b board.Board, i int) board.Room {
	sc, _ := s.current()
	if len(sc.Steps) == 0 {
		return s.looseRoom(b)
	}
	s.setStage(sc)
	if i >= len(s.stage.rooms) || len(b.Models) > len(s.stage.rooms) {
		return board.Room{}
	}
	return s.stage.rooms[i]
}

// isArranged reports whether the board may be laid in one way or another: a free one that a
// class looks at, with no cover that lies where it was put.
func (s *session) isArranged(b board.Board) bool {
	sc, _ := s.current()
	return s.present && len(sc.Steps) == 0 && !b.HasFreeCover()
}

// looseRoom is where a free board is laid: as it was arranged, or else as for building.
func (s *session) looseRoom(b board.Board) board.Room {
	if !s.isArranged(b) {
		return board.Room{}
	}
	return board.Room{Way: board.Way{Across: s.way.Across}}
}

// Arrangements are the other ways in which a free board can be laid.
type Arrangements struct {
	Ways []Arrangement `json:"ways"`
}

// Arrangement is one way, and how large the models are in it, in model units.
type Arrangement struct {
	board.Way
	Models []board.Size `json:"models"`
}

// arrangements are the other ways that make a difference to the board.
func arrangements(s *session, _ None) (Arrangements, error) {
	a := Arrangements{Ways: []Arrangement{}}
	b := s.board()
	if !s.isArranged(b) {
		return a, nil
	}
	now := s.looseRoom(b)
	for _, way := range board.LooseWays {
		if way != now.Way && differs(way, b, now) {
			a.Ways = append(a.Ways, Arrangement{Way: way, Models: sizes(b, board.Room{Way: way})})
		}
	}
	return a, nil
}

func differs(way board.Way, b board.Board, now board.Room) bool {
	for i := range b.Models {
		if way.Differs(b.LayIn(i, now).Room) {
			return true
		}
	}
	return false
}

func sizes(b board.Board, room board.Room) []board.Size {
	out := make([]board.Size, len(b.Models))
	for i := range b.Models {
		l := b.LayIn(i, room)
		out[i] = board.Size{W: l.W, H: l.H}
	}
	return out
}

// widen gives the stage the room that a board which the teacher tries needs.
func (s *session) widen(sc lesson.Scene, b board.Board) {
	s.setStage(sc)
	s.stage.rooms, s.stage.ways = lesson.Widened(s.stage.rooms, b), nil
}

// extents are the ways in which the example can be laid: as it is, and in the others that
// make a difference to it, or to it in another of them. In rows no addends may wrap that do across.
func (s *session) extents(sc lesson.Scene) []Extent {
	s.setStage(sc)
	if s.stage.ways != nil || len(s.stage.rooms) == 0 {
		return s.stage.ways
	}
	written := writtenExtent(sc, s.doc)
	looked := lookedAt(sc, len(s.stage.rooms))
	add := func(way board.Way, rooms []board.Room) {
		e := Extent{Way: way, Models: []ModelExtent{}, Written: written}
		for _, r := range rooms {
			e.Models = append(e.Models, ModelExtent{r.W, r.H, r.Least, r.Kept, looked(r.Reach)})
		}
		s.stage.ways = append(s.stage.ways, e)
	}
	add(s.way, s.stage.rooms)
	known := slices.Clone(s.stage.rooms)
	for _, way := range board.Ways {
		if way != s.way && slices.ContainsFunc(known, way.Differs) {
			rooms := sc.Rooms(way)
			add(way, rooms)
			known = append(known, rooms...)
		}
	}
	return s.stage.ways
}

// lookedAt leaves those columns that a step looks at, where there are several models: of one
// model each column is looked at some time.
func lookedAt(sc lesson.Scene, models int) func(map[string]board.Size) map[string]board.Size {
	if models < 2 {
		return func(reach map[string]board.Size) map[string]board.Size { return reach }
	}
	zones := map[string]bool{}
	for i := range sc.Steps {
		looked := map[string]bool{}
		for _, z := range sc.FocusAt(i).Zones {
			looked[z.Zone] = true
		}
		// A step about the whole board looks at no column of it.
		if len(looked) == 1 {
			maps.Copy(zones, looked)
		}
	}
	return func(reach map[string]board.Size) map[string]board.Size {
		out := maps.Clone(reach)
		maps.DeleteFunc(out, func(zone string, _ board.Size) bool { return !zones[zone] })
		return out
	}
}

func writtenExtent(sc lesson.Scene, doc lesson.Lesson) WrittenExtent {
	w, most := WrittenExtent{Lines: []string{}, Table: [][]string{}}, decimalsOf(sc)
	for _, step := range sc.Steps {
		for _, wr := range step.Write {
			ends := most.ends(wr.Cells, doc.Words.Point())
			wr = wr.Spelled(doc.Words)
			switch {
			case wr.Kind == "cell":
			case len(wr.Cells) > 0:
				for i, end := range ends {
					wr.Cells[i] += end
				}
				if len(wr.Heads) > 0 {
					w.Table = append(w.Table, wr.Heads)
				}
				w.Table = append(w.Table, wr.Cells)
			case wr.Whole != "":
				w.Bonds++
			default:
				w.Lines = append(w.Lines, wr.Text)
			}
		}
	}
	return w
}

// ArrangeArgs say in which way an example is laid.
type ArrangeArgs struct {
	board.Way
}

// arrange lays what is shown in another way.
func arrange(s *session, a ArrangeArgs) (Frame, error) {
	s.way = a.Way
	if s.scratch != nil {
		sc, _ := s.current()
		s.widen(sc, s.scratch.board)
	}
	return s.frame(), nil
}
