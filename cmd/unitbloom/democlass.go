package main

import (
	"fmt"
	"maps"
	"strconv"
	"strings"

	"unitbloom/core/lesson"
	"unitbloom/core/task"
	"unitbloom/internal/people"
	"unitbloom/internal/server"
	"unitbloom/internal/store"
)

// demoNames are the children of the demo class: invented first names.
const demoNames = "Mirren, Jorn, Evi, Mara, Dita, Rosa, Tam, Ole, Bea, Nils, Ilva, Pim"

// demoClass makes a class with work at all stages: a wall that lives. What was there of one
// that a killed start left is taken away first.
func demoClass(db *store.Store, lessons []lesson.Lesson) error {
	left, err := db.Classes("")
	if err != nil {
		return err
	}
	for _, class := range left {
		if err := db.DeleteClass(class.ID); err != nil {
			return err
		}
	}
	class, err := db.MakeClass("", server.NewID(), "Bulb planters", people.Names(demoNames))
	if err != nil {
		return err
	}
	open := true
	if _, err := db.ChangeClass(class.ID, store.ClassChange{Open: &open}); err != nil {
		return err
	}
	pupils, err := db.Pupils(class.ID)
	if err != nil {
		return err
	}
	named := map[string]string{}
	for _, p := range pupils {
		named[p.Name] = p.ID
	}
	sums := task.Wanted{Kinds: []string{"column"}, More: 1}
	columns, err := demoSet(db, class, lessons, "both", sums, "Add in columns")
	if err != nil {
		return err
	}
	bags := task.Wanted{Kinds: []string{"build", "read"}, Pieces: "fewest", More: 1}
	build, err := demoSet(db, class, lessons, "packed", bags, "Bags and single bulbs")
	if err != nil {
		return err
	}
	right, err := task.Right(columns.Tasks[0])
	if err != nil {
		return err
	}
	// A new ten that was lost by three, and a slip that fits no mistake.
	written := map[string]string{"Mirren": "233", "Jorn": "123", "Evi": "233", "Mara": "123", "Dita": "233", "Rosa": "232",
		"Tam": "233", "Ole": "123", "Bea": "233", "Nils": "233"}
	for _, name := range people.Names(demoNames) {
		sum, gave := written[name]
		if !gave {
			continue
		}
		a := maps.Clone(right[0])
		for i, at := range []string{"hundreds", "tens", "ones"} {
			a["sum "+at] = sum[i : i+1]
		}
		if err := demoHandIn(db, columns, named[name], 0, a); err != nil {
			return fmt.Errorf("%s: %w", name, err)
		}
	}
	// Of 146, the number that its scene shows.
	boards := map[string]string{"Mirren": "blocks 1h 4t 6o", "Evi": "blocks 1h 4t 6o", "Tam": "blocks 1h 4t 6o",
		"Bea": "blocks 1h 4t 6o", "Jorn": "blocks 14t 6o", "Ole": "blocks 1h 3t 16o", "Rosa": "blocks 1h 6t 4o"}
	for _, name := range people.Names(demoNames) {
		board, gave := boards[name]
		if !gave {
			continue
		}
		if err := demoHandIn(db, build, named[name], 0, task.Answer{"board": board}, wayTo(board)...); err != nil {
			return fmt.Errorf("%s: %w", name, err)
		}
	}
	return nil
}

// demoSet sets tasks made from a scene of the demo lessons.
func demoSet(
	db *store.Store, class store.Class, lessons []lesson.Lesson, scene string, w task.Wanted, title string,
) (store.Set, error) {
	for _, l := range lessons {
		sc, i := l.Scene(scene)
		if i < 0 {
			continue
		}
		scenes := []lesson.Scene{sc}
		tasks, err := task.Sheet(scenes, w)
		if err != nil {
			return store.Set{}, err
		}
		return db.MakeSet(store.Set{ID: server.NewID(), ClassID: class.ID, Title: title, Tasks: tasks, Help: store.HelpHint,
			Source: store.Source{Scenes: scenes, Wanted: w, Words: l.Words}})
	}
	return store.Set{}, fmt.Errorf("no demo lesson has a scene %q", scene)
}

func demoHandIn(db *store.Store, set store.Set, pupil string, n int, a task.Answer, trail ...task.Laid) error {
	v, err := task.Mark(set.Tasks[n], a, set.Source.Words)
	if err != nil {
		return err
	}
	id := people.NewToken()
	_, err = db.HandIn(store.Attempt{ID: id, SetID: set.ID, PupilID: pupil, Task: n, Answer: a, Trail: trail,
		Right: v.Right, Digest: id})
	return err
}

// wayTo lays blocks one after another, in the order in which they are written.
func wayTo(board string) []task.Laid {
	model, pieces, _ := strings.Cut(board, " ")
	var trail []task.Laid
	lain := model
	for _, part := range strings.Fields(pieces) {
		place := part[len(part)-1:]
		count, _ := strconv.Atoi(strings.TrimSuffix(part, place))
		for n := range count {
			trail = append(trail, task.Laid{Blank: "board", Board: fmt.Sprintf("%s %d%s", lain, n+1, place)})
		}
		lain += " " + part
	}
	return trail
}
