package method_test

import (
	"fmt"
	"math/rand/v2"
	"regexp"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"unitbloom/core/method"
	"unitbloom/core/say"
	"unitbloom/internal/proptest"
)

// nouns are the things that are counted in sentences, in the singular.
const nouns = `row|group|counter|bead|cube|block|disc|square|step|way|push|time|number|zero|digit|` +
	`one|unit|ten|hundred|thousand|million|tenth|hundredth|thousandth|ten thousand|hundred thousand`

// amount is a number with the word before it and the word after it.
var amount = regexp.MustCompile(`(?:^|(\S+) )(\d+) ((?:ten |hundred )?[a-z-]+)`)

var (
	oneThing = regexp.MustCompile(`^(` + nouns + `)$`)
	things   = regexp.MustCompile(`^(` + nouns + `)e?s$`)
	areOne   = regexp.MustCompile(`(?i)\bthere are 1 (` + nouns + `)[,.?]`)
)

// wrongNumber is an amount whose word is in the wrong number: 1 rows, 3 counter.
func wrongNumber(text string) string {
	if found := areOne.FindString(text); found != "" {
		return found
	}
	for _, m := range amount.FindAllStringSubmatch(text, -1) {
		before, n, word := m[1], m[2], m[3]
		singular, plural := oneThing.MatchString(word), things.MatchString(word)
		switch {
		case strings.ContainsAny(before, "+−×÷=") || before == "of" && !plural && !singular:
		// What is said of 5 and 1 is said of both.
		case n == "1" && (plural || before != "and" && slices.Contains([]string{"are", "have", "were", "stay", "bring",
			"come"}, word)),
			n != "1" && (singular || strings.Contains(text, n+" is left")):
			return m[0]
		}
	}
	return ""
}

var (
	oneOne     = regexp.MustCompile(`(?i)\bone one\b|\b1 one one\b`)
	aloneMany  = regexp.MustCompile(`^\s*1( more| new| (` + nouns + `))? (make|are|stay|have|come|stand|need|were)\b`)
	answering  = regexp.MustCompile(`^(It (is|stands)|Those|They|Then there|When the|Both move|(Yes|No|Nothing)[,:.])`)
	hole       = regexp.MustCompile(`[{}]|%!|\[[a-z]+\]`)
	translated = regexp.MustCompile(`(?i)\b(reckon|parted|none came and|as much as|opened)\b`)
	spoken     = regexp.MustCompile(`^(\d[\d.]*,|(zero|one|two|three|four|five|six|seven|eight|nine|ten|eleven|` +
		`twelve|\w+teen|\w+ty|\w+ty-\w+|hundred|thousand|million|point)[.,]?)$`)
	unitForms = regexp.MustCompile(`(\d+ (ten thousand|hundred thousand|` + nouns + `)s? ?)+`)
)

// strange are words of one model, which are not said of another.
var strange = map[string][]string{
	"rack":     {"bead", "push"},
	"counters": {"counter", "frame"},
	"cubes":    {"cube", "train"},
	"blocks":   {"block"},
	"discs":    {"disc"},
}

// A reader of thousands of examples: of every method, on every model, at every age, in
// the class's words, it finds no faulty number, no word that does not belong, no answer
// that is none, no sentence that is too long, no stop too many.
func TestEverySentenceIsSaidAsATeacherWould(t *testing.T) {
	t.Parallel()
	r := proptest.Random(31)
	for _, spec := range method.Specs() {
		t.Run(spec.ID, func(t *testing.T) {
			tr := trials[spec.ID]
			problems := append([][]string{spec.Sample}, tr.hard...)
			for _, text := range odd[spec.ID] {
				problems = append(problems, request(t, spec.ID, text).Args)
			}
			for range min(proptest.Cases(), 600) / 3 {
				if tr.draw != nil {
					problems = append(problems, tr.draw(r))
				}
			}
			read := 0
			for _, args := range problems {
				e, err := method.Make(method.Request{Method: spec.ID, Args: args, Options: someOptions(spec, r),
					Model: someModel(spec, r)})
				if err != nil {
					require.False(t, hole.MatchString(err.Error()), err)
					continue
				}
				for _, one := range append([]method.Example{e}, e.More...) {
					reader{t, one, spec, fmt.Sprintf("%s %v %v", spec.ID, args, one.Scene.Made.Options)}.read()
					read++
				}
			}
			require.Positive(t, read)
		})
	}
}

// What a method tells of itself is read by teachers, as what it says is.
func TestMethodsTellOfThemselvesInPlainWords(t *testing.T) {
	t.Parallel()
	for _, spec := range method.Specs() {
		texts := []string{spec.Title, spec.Doc, spec.Limits}
		for _, o := range spec.AllOptions() {
			texts = append(texts, o.Doc, strings.Join(o.Choices, ", "))
		}
		for _, text := range texts {
			require.NotRegexp(t, translated, text, spec.ID)
		}
	}
}

func someModel(spec method.Spec, r *rand.Rand) string {
	kinds := append([]string{""}, spec.Kinds()...)
	return kinds[r.IntN(len(kinds))]
}

// someOptions draws a choice of every option that has any.
func someOptions(spec method.Spec, r *rand.Rand) map[string]string {
	out := map[string]string{}
	for _, o := range spec.AllOptions() {
		if len(o.Choices) > 0 && r.IntN(2) == 0 && o.Name != "way" && o.Name != "use" {
			out[o.Name] = o.Choices[r.IntN(len(o.Choices))]
		}
	}
	return out
}

type reader struct {
	t    *testing.T
	e    method.Example
	spec method.Spec
	name string
}

func (r reader) read() {
	options := r.e.Scene.Made.Options
	stops := 0
	before := ""
	for i, s := range r.e.Plain().Steps {
		name := fmt.Sprintf("%s, step %d", r.name, i+1)
		// A fan makes each change from the start, the same one too if it is asked for twice.
		require.Falsef(r.t, s.Say != "" && s.Say == before && s.Ask == "" && options["shape"] != "fan", "%s repeats %q",
			name, s.Say)
		before = s.Say
		if s.Ask != "" {
			stops++
			require.Truef(r.t, strings.HasSuffix(s.Ask, "?"), "%s asks %q", name, s.Ask)
			require.Contains(r.t, say.Kinds(), s.Asks, name)
			require.NotEmptyf(r.t, strings.Trim(s.Answer, ". "), "%s answers nothing to %q", name, s.Ask)
			if strings.ContainsAny(s.Answer, "abcdefghijklmnopqrstuvwxyz") {
				require.NotContainsf(r.t, s.Say, s.Answer, "%s tells the answer before %q", name, s.Ask)
			}
		} else {
			require.Empty(r.t, s.Answer, name)
			require.NotRegexpf(r.t, answering, s.Say, "%s answers what nobody asked: %q", name, s.Say)
		}
		for _, text := range []string{s.Say, s.Ask, s.Answer} {
			r.readText(name, text)
		}
		require.False(r.t, hole.MatchString(s.Look), name)
	}
	switch options["ask"] {
	case "never":
		require.Zero(r.t, stops, r.name)
	case "key steps":
		require.LessOrEqual(r.t, stops, r.spec.Stops(options["age"]), r.name)
		require.Positive(r.t, stops, r.name)
	}
}

// longest is how many words a sentence has at most at an age. What is written in columns,
// shifted or compared is not for the youngest, though they be chosen.
func (r reader) longest() int {
	age := r.e.Scene.Made.Options["age"]
	if age == "5-6" && !slices.Contains([]string{"build", "read", "count", "teens", "more-less", "add-facts",
		"subtract-facts", "bonds",
		"snap", "turn", "array", "share", "group"}, r.spec.ID) {
		age = "7-8"
	}
	return map[string]int{"5-6": 10, "7-8": 13, "9-11": 16}[age]
}

func (r reader) readText(name, text string) {
	options := r.e.Scene.Made.Options
	require.Emptyf(r.t, wrongNumber(text), "%s: %q", name, text)
	for what, faulty := range map[string]*regexp.Regexp{"one one": oneOne, "a hole": hole, "no teacher says": translated} {
		// Decimals are read digit by digit: zero point one one.
		if found := faulty.FindString(text); found != "" && !strings.Contains(text, " point ") {
			require.Failf(r.t, what, "%s: %q in %q", name, found, text)
		}
	}
	low := strings.ToLower(text)
	if options["regroup"] != "bundle" {
		require.NotContainsf(r.t, low, "bundl", "%s: %q", name, text)
	}
	if options["ones"] == "units" {
		require.NotRegexpf(r.t, `\bones\b`, low, "%s: %q", name, text)
	}
	for model, words := range strange {
		if model == r.e.Scene.Made.Model {
			continue
		}
		for _, w := range words {
			require.NotContainsf(r.t, low, w, "%s on %s: %q", name, r.e.Scene.Made.Model, text)
		}
	}
	if options["seen"] != "" {
		return
	}
	for _, sentence := range strings.FieldsFunc(text, func(r rune) bool { return strings.ContainsRune("?!:", r) }) {
		for _, one := range strings.Split(strings.ReplaceAll(sentence, ", a ", ". A "), ". ") {
			require.NotRegexpf(r.t, aloneMany, one, "%s: %q", name, text)
			words := strings.FieldsFunc(unitForms.ReplaceAllString(one, "form "), func(r rune) bool { return r == ' ' })
			words = slices.DeleteFunc(words, func(w string) bool { return len(w) == 0 || strings.Contains("+−×÷=", w) })
			words = slices.DeleteFunc(words, spoken.MatchString) // a number is said as one
			if !strings.Contains(one, "=") {
				require.LessOrEqualf(r.t, len(words), r.longest(), "%s is long: %q", name, one)
			}
		}
	}
}

// Every number of every text is as the class writes it: in what is said, asked, answered
// and written, of every method.
func TestEveryNumberIsWrittenAsTheClassWritesIt(t *testing.T) {
	ours := regexp.MustCompile(`(^|[^,\d])\d{4}|\d\.\d`)
	for _, spec := range method.Specs() {
		problems := [][]string{spec.Sample}
		for _, text := range odd[spec.ID] {
			problems = append(problems, request(t, spec.ID, text).Args)
		}
		for _, args := range problems {
			e, err := method.Make(method.Request{Method: spec.ID, Args: args})
			if err != nil {
				continue
			}
			p := e.In(say.Vocabulary{Numbers: "4 002,5"}).Plain()
			texts := []string{p.Title, p.Problem, p.Answer, p.Offer}
			for _, s := range p.Steps {
				texts = append(texts, s.Say, s.Ask, s.Answer, s.Look)
				for _, w := range s.Write {
					texts = append(append(append(texts, w.Text, w.Whole), w.Cells...), w.Parts...)
				}
			}
			for _, text := range texts {
				require.NotRegexp(t, ours, text, "%s %v", spec.ID, args)
			}
		}
	}
}
