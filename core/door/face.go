package door

import (
	"fmt"

	"unitbloom/core/board"
	"unitbloom/core/form"
	"unitbloom/core/lesson"
)

// Face is the picture by which a lesson is known on the shelf: the fullest board of its first
// scene that has anything on it. A lesson without one has no models in it.
func Face(l lesson.Lesson) BoardView {
	s := &session{door: New(), doc: l}
	for _, sc := range l.Scenes {
		if face, ok := s.face(sc); ok {
			return face
		}
	}
	return BoardView{Models: []ModelView{}}
}

// mostOfFace is how many pieces a picture has: more could not be told apart.
const mostOfFace = 600

// face is the fullest board of a scene, laid as loosely as for building. What is covered is
// not in it.
func (s *session) face(sc lesson.Scene) (BoardView, bool) {
	if !sc.Page.Shows() {
		return BoardView{}, false
	}
	there := *s
	there.scene, there.phase, there.scratch, there.stage = sc.ID, lesson.Rest, nil, stage{}
	var fullest BoardView
	most := 0
	for there.step = 0; there.step <= len(sc.Steps); there.step++ {
		b := there.board()
		laid := make([]board.Layout, len(b.Models))
		pieces := 0
		for i := range b.Models {
			laid[i] = spelled(b.Shown(i), s.doc.Words)
			for k := range laid[i].Pieces {
				if laid[i].Pieces[k].Marks&(board.MarkSpent|board.MarkTaken|board.MarkCrossed) == 0 {
					pieces++
				}
			}
		}
		if pieces > most && pieces <= mostOfFace {
			fullest, most = there.view(b, laid, sc), pieces
		}
	}
	return fullest, most > 0
}

// faceOf is the picture of a scene on the stem.
func faceOf(s *session, a SceneOnlyArgs) (BoardView, error) {
	sc, i := s.doc.Scene(a.Scene)
	if i < 0 {
		return BoardView{}, fmt.Errorf("scene: there is no scene %s in this lesson", form.Quote(a.Scene))
	}
	if face, ok := s.face(sc); ok {
		return face, nil
	}
	return BoardView{Models: []ModelView{}}, nil
}
