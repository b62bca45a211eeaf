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

func (m *maker) inFrame(n int) {
	m.key(lesson.Step{
		Say: line("frames.show", part("n", n)), Ask: line("facts.see"), Answer: line("facts.seen"), Moves: m.placed(n, false),
	})
}

func fillTheFrame(m *maker, a, b int) {
	big, small := max(a, b), min(a, b)
	more := 10 - big
	m.inFrame(big)
	m.key(lesson.Step{
		Say: line("frames.fill", part("small", small)), Ask: line("ten.ask", part("big", big)),
		Answer: line("ten.answer", answer("more", more), part("small", small), answer("left", small-more)),
		Moves:  m.placed(more, true),
		Write:  []lesson.Write{bond(small, more, small-more), m.sentence(sumText([2]int{big, more}), "10")},
	})
	m.step(lesson.Step{
		Say: line("frames.rest"), Ask: line("frames.rest.ask"),
		Answer: line("ten.move.answer", answer("left", small-more), answer("sum", a+b)),
		Moves:  m.placed(small-more, true),
		Write:  []lesson.Write{m.sentence("10 + "+strconv.Itoa(small-more), strconv.Itoa(a+b))},
	})
	m.close(a, b)
}

func countOnFrames(m *maker, a, b int) {
	big, small := max(a, b), min(a, b)
	m.inFrame(big)
	for i := 1; i <= small; i++ {
		m.step(lesson.Step{
			Say: line("frames.one"), Ask: line("count.ask"), Answer: line("countOn.next", answer("n", big+i)),
			Moves: m.placed(1, true),
		})
	}
	m.close(a, b)
}

// addTenFrames fills the frame of the larger number, and takes away again what
// came too many.
func addTenFrames(m *maker, a, b int) {
	m.showBoth(a, b)
	big, small, frame := a, b, 1
	if b > a {
		big, small, frame = b, a, 2
	}
	back := 10 - big
	m.tenInstead(big, small, m.placedIn(frame, back, frame == 2))
	m.tooMany(a, b, back, lastTaken(a+b+back, back))
}

// seeFrames puts both numbers in: what is seen is the way.
func seeFrames(m *maker, a, b int) {
	m.inFrame(a)
	m.key(lesson.Step{
		Say: line("frames.fill", part("small", b)), Ask: line("frames.rest.ask"),
		Answer: line("frames.both", answer("sum", a+b)), Moves: m.placed(b, true),
	})
	m.close(a, b)
}

func takeFromFrames(m *maker, a, b int) {
	m.inFrame(a)
	m.key(lesson.Step{
		Say: line("frames.take", part("b", b)), Ask: line("minus.left"), Answer: line("minus.left.answer", answer("d", a-b)),
		Moves: lastTaken(a, b),
	})
	m.closeMinus(a, b)
}

func emptyToTheFrame(m *maker, a, b int) {
	first := a - 10
	m.inFrame(a)
	m.key(lesson.Step{
		Say: line("back.start", part("a", a)), Ask: line("back.ask", part("b", b)),
		Answer: line("back.answer", part("b", b), answer("first", first), answer("rest", b-first)),
		Moves:  lastTaken(a, first),
		Write:  []lesson.Write{bond(b, first, b-first), m.sentence(minusText(a, first), "10")},
	})
	m.step(lesson.Step{
		Say: line("back.rest"), Ask: line("minus.left"), Answer: line("minus.left.answer", answer("d", a-b)),
		Moves: lastTaken(10, b-first),
		Write: []lesson.Write{m.sentence(minusText(10, b-first), strconv.Itoa(a-b))},
	})
	m.closeMinus(a, b)
}

func fillUpFrames(m *maker, a, b int) {
	m.step(lesson.Step{
		Say: line("think.start", part("a", a), part("b", b)), Ask: line("think.ask", part("b", b), part("a", a)),
		Answer: line("think.answer", answer("d", a-b)),
		Moves:  m.placed(b, false),
		Write:  []lesson.Write{{Kind: "text", Text: strconv.Itoa(b) + " + □ = " + strconv.Itoa(a)}},
	})
	m.key(lesson.Step{
		Say: line("frames.up", part("a", a)), Ask: line("frames.up.ask"), Answer: line("frames.up.answer", answer("d", a-b)),
		Moves: m.placed(a-b, true), Write: []lesson.Write{bond(a, b, a-b)},
	})
	m.closeMinus(a, b)
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
