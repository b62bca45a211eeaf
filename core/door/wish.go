package door

import (
	"unitbloom/core/lesson"
	"unitbloom/core/method"
	"unitbloom/core/say"
)

// WishArgs are what a teacher typed for the class to see, and what the class calls things.
// As is the way that she chose of those that were told; left out, the line tells.
type WishArgs struct {
	Text  string         `json:"text"`
	Words say.Vocabulary `json:"words"`
	As    *method.Wish   `json:"as,omitempty"`
}

// Wished is what a line comes to: a lesson, how it was understood, and other ways to show it;
// or what is wrong with its lines.
type Wished struct {
	Lesson *lesson.Lesson `json:"lesson,omitempty"`
	As     WishView       `json:"as"`
	Others []WishView     `json:"others"`
	Faults []LineFault    `json:"faults"`
}

// WishView is a way to show what a line says, with its name, which is empty for a list, and
// a picture of what the class will see.
type WishView struct {
	method.Wish
	Label string    `json:"label"`
	Face  BoardView `json:"face"`
}

// LineFault is a line that says nothing, counted from 1, and why.
type LineFault struct {
	Line int    `json:"line"`
	Why  string `json:"why"`
}

func wish(_ *Door, a WishArgs) (Wished, error) {
	g, faults := method.Grant(a.Text, a.As, a.Words)
	out := Wished{As: WishView{Face: Face(lesson.Lesson{})}, Others: []WishView{}, Faults: []LineFault{}}
	for _, f := range faults {
		out.Faults = append(out.Faults, LineFault{f.Line, sentenceOf(f.Err, a.Words)})
	}
	if len(faults) > 0 {
		return out, nil
	}
	l := lesson.Lesson{Format: lesson.Format, Minor: lesson.Minor, Title: g.Title, Words: a.Words,
		Scenes: method.Named(g.Scenes, "wish")}
	out.Lesson = &l
	out.As.Face = Face(l)
	if g.As == (method.Wish{}) {
		return out, nil
	}
	out.As.Wish, out.As.Label = g.As, g.As.Label(a.Words)
	for _, way := range g.Others {
		seen := lesson.Lesson{Words: a.Words, Scenes: method.Named(way.Scenes, "wish")}
		out.Others = append(out.Others, WishView{way.Wish, way.Label(a.Words), Face(seen)})
	}
	return out, nil
}

// AddWishArgs are the same for an open lesson, under an id for its first scene.
type AddWishArgs struct {
	Text string       `json:"text"`
	As   *method.Wish `json:"as,omitempty"`
	ID   string       `json:"id"`
	At   *int         `json:"at,omitempty"`
}

// addWish adds what a line comes to, in the words of the lesson.
func addWish(s *session, a AddWishArgs) (Update, error) {
	g, faults := method.Grant(a.Text, a.As, s.doc.Words)
	if len(faults) > 0 {
		return Update{}, faults[0].Err
	}
	return s.addScenes(method.Named(g.Scenes, a.ID), a.At, s.capture)
}
