package method

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/model/pieces"
)

// The facts on ten frames: where one number grows, it fills its frame from the
// first cell, and what comes goes on where it ends, in the other colour; where
// two are seen together, each has its own frame.

// placed puts counters into the next free cells.
func (m *maker) placed(count int, others bool) []board.Move { return m.placedIn(0, count, others) }

// placedIn puts counters into one frame, or with 0 into the next free cells.
func (m *maker) placedIn(frame, count int, others bool) []board.Move {
	if count == 0 {
		return nil
	}
	return []board.Move{m.acts.Fill(frame, count, others)}
}

// lastTaken takes the last of so many counters away.
func lastTaken(all, count int) []board.Move {
	if count == 0 {
		return nil
	}
	return []board.Move{{Kind: "take", Args: pieces.PiecesArgs{Pieces: []board.Select{{Slots: run(all-count, all)}}}}}
}

// lastOf takes the last so many counters of those that lie there.
func (m *maker) lastOf(count int) []board.Move {
	if m.err != nil {
		return nil
	}
	all, _ := board.Total(m.now.Models[0]).Whole()
	return lastTaken(all, count)
}

func fillTheFrame(m *maker, a, b int) {
	big, small, _, _ := m.began(a, b)
	more := 10 - big
	m.see(line("frames.show", part("n", big)), m.placed(big, false), big)
	m.needToTen(big, small, nil)
	s := lesson.Step{
		Say: line("frames.full", part("more", more)), Ask: line("ten.now"),
		Answer: line("ten.now.answer", answer("left", small-more), answer("sum", a+b)),
		Moves:  append(m.placed(more, true), m.placed(small-more, true)...),
		Write:  []lesson.Write{m.sentence(sumText([2]int{big, more}), "10")},
	}
	if small > more {
		s.Say = line("frames.over", part("more", more), part("left", small-more))
		s.Answer = line("facts.total.answer", answer("sum", a+b))
	}
	m.key(m.overTen(s, a, b, small-more))
	m.why(line("frames.why"), line("frames.why.answer"))
	m.close(a, b)
}

func countOnFrames(m *maker, a, b int) {
	big, small, _, _ := m.began(a, b)
	m.keepAndCount(a, b, big, small, m.placed(big, false), func(int) []board.Move { return m.placed(1, true) })
}

// addTenFrames fills the frame of the larger number, and takes away again what
// came too many.
func addTenFrames(m *maker, a, b int) {
	m.showBoth(a, b)
	big, small, frame := a, b, 1
	if b > a {
		big, small, frame = b, a, 2
	}
	over := 10 - big
	m.tenInstead(a, b, big, small, m.placedIn(frame, over, frame == 2), lastTaken(a+b+over, over))
}

func takeFromFrames(m *maker, a, b int) {
	m.showWhole(a)
	taken := m.lastOf(b)
	if wholeTen(a, b) {
		taken = lastTaken(b, b) // the frame that is full
	}
	m.first(m.takenStep(a, b, taken))
	m.closeMinus(a, b)
}

func emptyToTheFrame(m *maker, a, b int) {
	first := a - 10
	m.showWhole(a)
	m.backToTen(a, b, lastTaken(a, first), lastTaken(10, b-first))
}

func fillUpFrames(m *maker, a, b int) {
	m.countUpTo(a, b, m.placed(b, false), m.placed(a-b, true))
}

// frameSights are numbers of counters in frames: by colour, and in rows of five.
func (m *maker) frameSights(parts ...int) []sight {
	total := sumOf(parts)
	amount := strconv.Itoa(total)
	if len(parts) == 2 && parts[0] > 0 && parts[1] > 0 {
		amount = sumText([2]int{parts[0], parts[1]})
	}
	moves := []board.Move{m.acts.Build(amount)}
	colours, fives := sight{moves: moves}, sight{moves: moves}
	for _, n := range parts {
		if n > 0 {
			colours.runs = append(colours.runs, n)
		}
	}
	for n := total; n > 0; n -= 5 {
		fives.runs = append(fives.runs, min(n, 5))
	}
	return []sight{colours, fives}
}
