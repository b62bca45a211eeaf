// What the methods of division share.

package method

import (
	"strconv"

	"unitbloom/core/board"
	"unitbloom/core/lesson"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

// endDivision says what a division comes to, and checks it by putting all together
// again. groups × each is read as the method has them.
func (m *maker) endDivision(problem string, n, by, groups, each int) (Example, error) {
	quotient, rest := n/by, n%by
	result := strconv.Itoa(quotient)
	check := strconv.Itoa(groups) + " × " + strconv.Itoa(each)
	id := "divide.is"
	if rest > 0 {
		result += " remainder " + strconv.Itoa(rest)
		check += " + " + strconv.Itoa(rest)
		id = "divide.is.rest"
	}
	m.step(lesson.Step{
		Ask: line("divide.what", text("problem", problem)), Answer: line(id, answer("quotient", quotient),
			answer("rest", rest),
			text("problem", problem)),
		Write: []lesson.Write{m.sentence(problem, result)},
	})
	if rest > 0 {
		m.why(line("divide.over", given("by", by)), line("divide.over.answer", given("by", by), given("most", by-1)))
	}
	m.together(place.Int(n), check)
	return m.end(problem, result)
}

// together puts the groups together again and looks what is there.
func (m *maker) together(n place.Number, check string) {
	if !m.checks || n.IsZero() {
		return
	}
	m.step(lesson.Step{
		Say: line("divide.together"), Ask: line("divide.together.ask"), Answer: line("divide.together.answer",
			say.Number("n", say.Answer, n),
			answerText("check", check)),
		Moves: []board.Move{m.acts.Build(n.String())},
		Write: []lesson.Write{{Kind: "sentence", Text: check + " = " + n.String()}},
	})
}
