package say

// Kind says what a question is to the pieces: whether they answer it or are asked
// about, and so whether they move before it or after.
type Kind string

// The kinds. Predict and Decide are asked before the pieces move, the others after.
const (
	// Predict is answered by the pieces: will the ones make a ten?
	Predict Kind = "predict"
	// Decide is answered in words, and then done: 2 ones, and 7 must go; what can we do?
	Decide Kind = "decide"
	// Look is about what lies there now: what do you see without counting?
	Look Kind = "look"
	// Say asks for the words or the sentence of what was done.
	Say Kind = "say"
	// Explain asks how or why.
	Explain Kind = "explain"
	// Check is asked when the pieces have moved another way: we push 5 back; where are we?
	Check Kind = "check"
)

// Kinds lists the kinds in the order in which a teacher chooses among them.
func Kinds() []Kind { return []Kind{Predict, Decide, Look, Say, Explain, Check} }

// MovesFirst reports whether the pieces move before the question is asked.
func (k Kind) MovesFirst() bool { return k == Look || k == Say || k == Explain || k == Check }

// KindOf is the kind of a question of the catalogue; empty when it has no such question.
func KindOf(id string) Kind { return kinds[id] }

// Label says in a teacher's words when a question of the kind is asked.
func (k Kind) Label() string {
	switch k {
	case Predict:
		return "Before: the pieces answer it"
	case Decide:
		return "Before: we decide, then do it"
	case Look:
		return "After: what do we see now?"
	case Say:
		return "After: how do we say it?"
	case Explain:
		return "After: how or why?"
	case Check:
		return "After: does it fit?"
	}
	return ""
}

// kinds are those of the catalogue's questions.
var kinds = byKind(map[Kind][]string{
	Predict: {
		"count.predict", "moreLess.predict", "moreLess.more.ask", "moreLess.less.ask", "shift.predict",
		"bonds.predict", "snap.predict", "turn.predict", "gap.predict", "gap.predict.lead", "group.predict",
		"group.steps", "columnAdd.predictMany.ask", "columnAdd.predict.ask", "columnAdd.predict.askPlace",
		"compareSums.ask", "compare.zeros.ask", "teens.slow.ask", "pattern.add", "pattern.take", "think.ask",
	},
	Decide: {
		"build.predict", "ten.ask", "addTen.ask", "back.ask", "minusColumn.predict", "minusColumn.exchange.ask",
		"columnAdd.build.ask", "share.predict", "share.place.predict", "share.open.ask", "unknown.join.ask",
		"unknown.take.ask", "gap.ask", "share.known.ask",
	},
	Look: {
		"build.ask", "build.sketch.ask", "read.first", "facts.see", "seen.ask", "fives.ask", "fives.rest.ask",
		"ten.move.ask", "doubles.ask", "doubles.extra.ask", "addTen.back.ask", "frames.rest.ask", "frames.up.ask",
		"minus.left", "think.up.ask", "difference.ask", "bonds.ask", "bonds.story.ask", "snap.ask", "turn.many",
		"count.ask", "teens.ask", "shift.ask", "compare.predict", "compare.ask", "gap.rows.ask", "gap.partners.ask",
		"gap.up.ask", "array.area.ask", "array.split.ask", "array.turn.ask", "array.skip.ask", "group.one.ask",
		"share.deal.ask", "share.place.ask", "columnAdd.tens.ask", "columnAdd.ten.ask", "columnAdd.many.ask",
		"minusColumn.left", "unknown.part.ask", "unknown.whole.ask", "unknown.groups.ask", "unknown.reveal.ask",
	},
	Say: {
		"build.check.ask", "read.write.ask", "snap.family.ask", "compare.check.ask", "array.predict",
		"columnAdd.bundle.ask", "columnAdd.bundleMany.ask", "unknown.inverse.ask", "compareSums.reckon.ask",
		"shift.use.ask",
	},
	Explain: {
		"teens.run.ask", "shift.needless.ask", "countOn.ask", "bonds.notice", "pattern.ask", "turn.check.ask",
	},
	Check: {
		"count.check.ask", "teens.check.ask", "moreLess.check.ask", "shift.check.ask", "compare.prove.ask",
		"facts.check.ask", "minus.check.ask", "snap.count.ask", "unknown.check.ask", "minusColumn.check.ask",
		"gap.check.ask", "divide.check.ask", "columnAdd.check.ask",
	},
})

func byKind(lists map[Kind][]string) map[string]Kind {
	out := map[string]Kind{}
	for kind, ids := range lists {
		for _, id := range ids {
			out[id] = kind
		}
	}
	return out
}
