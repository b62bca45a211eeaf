// What the methods of division share.

package method

import (
	"strconv"

	"unitbloom/core/lesson"
)

// endDivision checks a division by multiplying, and gives its answer.
func (m *maker) endDivision(problem string, n, by int) (Example, error) {
	quotient, rest := n/by, n%by
	result := strconv.Itoa(quotient)
	check := strconv.Itoa(quotient) + " × " + strconv.Itoa(by)
	id := "divide.check.answer"
	if rest > 0 {
		result += " remainder " + strconv.Itoa(rest)
		check += " + " + strconv.Itoa(rest)
		id = "divide.check.rest"
	}
	m.key(lesson.Step{
		Say: line("divide.check"), Ask: line("divide.check.ask"),
		Answer: line(id, answer("quotient", quotient), given("by", by), answer("rest", rest), answer("n", n)),
		Write:  []lesson.Write{m.sentence(problem, result), {Kind: "sentence", Text: check + " = " + strconv.Itoa(n)}},
	})
	return m.end(problem, result)
}
