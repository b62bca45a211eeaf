package door

import (
	"fmt"
	"slices"

	"unitbloom/core/board"
	"unitbloom/core/say"
)

// PieceArgs name a piece that is drawn.
type PieceArgs struct {
	Model int           `json:"model"`
	Piece board.PieceID `json:"piece"`
}

// PieceSaid is a piece for those who do not see it.
type PieceSaid struct {
	Text string `json:"text"`
}

// marksSaid are what a piece's marks are called, in the order in which they are said.
var marksSaid = []struct {
	mark board.Marks
	id   string
}{{board.MarkCrossed, "piece.crossed"}, {board.MarkTaken, "piece.taken"}, {board.MarkSpent, "piece.spent"}}

// pieceAt says where a piece lies: in which column, row or group, which of how many, and what
// was done with it. How many is not told while the count is held back.
func pieceAt(s *session, a PieceArgs) (PieceSaid, error) {
	b := s.board()
	if a.Model < 0 || a.Model >= len(s.drawn) || a.Model >= len(b.Models) {
		return PieceSaid{}, fmt.Errorf("model: there is no model %d here", a.Model)
	}
	laid := s.drawn[a.Model].Pieces
	at := slices.IndexFunc(laid, func(p board.Sprite) bool { return p.ID == a.Piece })
	if at < 0 {
		return PieceSaid{}, fmt.Errorf("piece: there is no piece %d here", a.Piece)
	}
	sc, _ := s.current()
	piece, n, all := laid[at], 0, 0
	for i := range laid {
		if laid[i].Zone != piece.Zone {
			continue
		}
		if all++; i <= at {
			n++
		}
	}
	zone, held := piece.Zone, false
	for _, z := range s.modelHead(b, a.Model, s.drawn[a.Model], sc).Zones {
		if z.ID == piece.Zone {
			zone, held = z.Label, z.Count == board.Hidden
		}
	}
	said := say.New("piece.in", say.Text("zone", say.Name, zone))
	if !held {
		said = say.New("piece.at", say.Text("zone", say.Name, zone), say.Int("n", say.Given, n),
			say.Int("all", say.Given, all))
	}
	for _, m := range marksSaid {
		if piece.Marks&m.mark != 0 {
			said = said.And(say.New(m.id))
		}
	}
	return PieceSaid{said.Text(s.doc.Words)}, nil
}
