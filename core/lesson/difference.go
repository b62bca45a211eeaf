package lesson

import (
	"reflect"
	"slices"

	"unitbloom/core/form"
)

// Difference is the edits that turn one lesson into another: what an act, an undo
// or a redo sends. It sends what changed and no more, in edits of a moderate length
// each, so that a save of many can be parted.
func Difference(from, to Lesson) []Edit {
	d := differ{}
	if from.Title != to.Title || from.Objective != to.Objective || from.Words != to.Words {
		d.add(Edit{Kind: "setLesson", Head: &Head{to.Title, to.Objective, to.Words}})
	}
	for i := range from.Scenes {
		if _, k := to.Scene(from.Scenes[i].ID); k < 0 {
			d.add(Edit{Kind: "removeScene", Scene: from.Scenes[i].ID})
		}
	}
	for i := range to.Scenes {
		if was, k := from.Scene(to.Scenes[i].ID); k < 0 {
			d.come(to.Scenes[i])
		} else {
			d.scene(&was, &to.Scenes[i])
		}
	}
	if order := ids(to.Scenes); !slices.Equal(d.order(ids(from.Scenes), order), order) {
		d.add(Edit{Kind: "orderScenes", Order: order})
	}
	if at, drop, come := splice(from.Record, to.Record, sameAs); drop > 0 || len(come) > 0 {
		d.add(Edit{Kind: "record", At: &at, Drop: drop, Record: come})
	}
	return d.edits
}

type differ struct{ edits []Edit }

func (d *differ) add(e Edit) { d.edits = append(d.edits, e) }

// order is that of the scenes after the edits so far: those that went are gone, and
// those that came stand at the end.
func (d *differ) order(from, to []string) []string {
	var out []string
	for _, id := range from {
		if slices.Contains(to, id) {
			out = append(out, id)
		}
	}
	for _, id := range to {
		if !slices.Contains(from, id) {
			out = append(out, id)
		}
	}
	return out
}

// Of a part of an edit, so many bytes or points go together.
const (
	partBytes  = 512 << 10
	partPoints = 20_000
)

// come brings a scene in: what is long of it in parts.
func (d *differ) come(s Scene) {
	whole := s
	if s.bytesOfSteps() > partBytes {
		s.Steps, s.stepBytes = nil, 0
	}
	if pointsOf(s.Ink) > partPoints {
		s.Ink = nil
	}
	d.add(Edit{Kind: "putScene", Put: &s})
	d.scene(&s, &whole)
}

// scene tells what differs in one scene.
func (d *differ) scene(from, to *Scene) {
	if from.Title != to.Title || !slices.Equal(from.Show, to.Show) || from.Marks != to.Marks ||
		from.Page != to.Page || from.Aside != to.Aside || !sameAs(&from.Made, &to.Made) {
		d.add(Edit{Kind: "setScene", Scene: to.ID,
			SceneHead: &SceneHead{to.Title, orEmpty(to.Show), to.Marks, to.Made, to.Page, to.Aside}})
	}
	if !from.Start.Same(to.Start) {
		d.add(Edit{Kind: "setBoard", Scene: to.ID, Start: &to.Start})
	}
	if at, drop, come := splice(from.Steps, to.Steps, sameAs); drop > 0 || len(come) > 0 {
		d.steps(to.ID, at, drop, come)
	}
	d.strokes(from, to)
	put, erase, order := overlaid(from.Notes, to.Notes, noteID)
	if len(put) > 0 || len(erase) > 0 || order != nil {
		d.add(Edit{Kind: "notes", Scene: to.ID, Notes: put, Erase: erase, Order: order})
	}
}

// steps brings steps in, few enough at a time.
func (d *differ) steps(scene string, at, drop int, come []Step) {
	for {
		n, size := 0, 0
		for n < len(come) && (n == 0 || size < partBytes) {
			raw, _ := form.JSON(come[n])
			size += len(raw)
			n++
		}
		here := at
		d.add(Edit{Kind: "steps", Scene: scene, At: &here, Drop: drop, Steps: come[:n]})
		if come = come[n:]; len(come) == 0 {
			return
		}
		at, drop = at+n, 0
	}
}

func (d *differ) strokes(from, to *Scene) {
	put, erase, order := overlaid(from.Ink, to.Ink, strokeID)
	if len(put) == 0 && len(erase) == 0 && order == nil {
		return
	}
	for {
		n, points := 0, 0
		for n < len(put) && (n == 0 || points < partPoints) {
			points += len(put[n].Points)
			n++
		}
		e := Edit{Kind: "ink", Scene: to.ID, Strokes: put[:n:n], Erase: erase}
		if put = put[n:]; len(put) == 0 {
			e.Order = order
			d.add(e)
			return
		}
		d.add(e)
		erase = nil
	}
}

func pointsOf(ink []Stroke) int {
	n := 0
	for i := range ink {
		n += len(ink[i].Points)
	}
	return n
}

// overlaid is what must be put and erased to come from one list to another, and the
// order when putting alone would leave another one.
func overlaid[T any](from, to []T, id func(T) string) (put []T, erase, order []string) {
	was := make(map[string]*T, len(from))
	for i := range from {
		was[id(from[i])] = &from[i]
	}
	now := make(map[string]bool, len(to))
	for i := range to {
		now[id(to[i])] = true
		if old := was[id(to[i])]; old == nil || !sameAs(old, &to[i]) {
			put = append(put, to[i])
		}
	}
	for i := range from {
		if !now[id(from[i])] {
			erase = append(erase, id(from[i]))
		}
	}
	reached := putByID(from, put, erase, id)
	for i := range to {
		if id(reached[i]) != id(to[i]) {
			for k := range to {
				order = append(order, id(to[k]))
			}
			break
		}
	}
	return put, erase, order
}

// splice is where two lists differ: between what they begin and end with alike.
func splice[T any](from, to []T, same func(a, b *T) bool) (at, drop int, come []T) {
	for at < len(from) && at < len(to) && same(&from[at], &to[at]) {
		at++
	}
	end := 0
	for end < len(from)-at && end < len(to)-at && same(&from[len(from)-1-end], &to[len(to)-1-end]) {
		end++
	}
	return at, len(from) - at - end, to[at : len(to)-end]
}

// sameAs compares values; lists that are one and the same are not looked into.
func sameAs[T any](a, b *T) bool { return reflect.DeepEqual(*a, *b) }

func orEmpty(list []string) []string {
	if list == nil {
		return []string{}
	}
	return list
}

func ids(scenes []Scene) []string {
	out := make([]string, len(scenes))
	for i := range scenes {
		out[i] = scenes[i].ID
	}
	return out
}
