// A list of problems, a line each: what a teacher has on a sheet becomes a lesson.

package method

import (
	"maps"
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/lesson"
	"unitbloom/core/say"
)

// ReadLine reads a problem of a list: a method and its arguments parted by commas or as on
// the command line, like share,97,4 or share 97 4, or the problem as a teacher types it, like
// 58 + 67, or says it, like 58 plus 67. Numbers of the latter are as the class writes them.
func ReadLine(text string, w say.Vocabulary) (Request, error) {
	text = unspoken(strings.TrimSpace(text), w)
	id, _, parted := strings.Cut(text, ",")
	named := parted && id != "" && strings.Trim(strings.TrimSpace(id), "abcdefghijklmnopqrstuvwxyz-") == ""
	if named || strings.Contains(text, `"`) {
		return readFields(text)
	}
	if words := strings.Fields(text); len(words) > 1 {
		if _, err := Find(words[0]); err == nil {
			return Worded(words[0], words[1:])
		}
	}
	return inProblem("", w.Plain(text))
}

// Worded is the problem of a method in words: its arguments, or, where one ends with a comma, a line as a
// teacher types it, like 37, 10, 8.
func Worded(id string, words []string) (Request, error) {
	if slices.ContainsFunc(words, func(word string) bool { return strings.HasSuffix(word, ",") }) {
		return inProblem(id, strings.Join(words, " "))
	}
	return Request{Method: id, Args: words}, nil
}

// readFields parts a line at its commas; what is quoted may have some. The package for such files would
// be a hundredth of what a page loads.
func readFields(text string) (Request, error) {
	var fields []string
	for rest, more := text, true; more; {
		rest = strings.TrimSpace(rest)
		field := ""
		quoted, ok := strings.CutPrefix(rest, `"`)
		if !ok {
			field, rest, more = strings.Cut(rest, ",")
			fields = append(fields, strings.TrimSpace(field))
			continue
		}
		if field, rest, ok = strings.Cut(quoted, `"`); !ok {
			return Request{}, say.Refuse("list-line")
		}
		after := ""
		if after, rest, more = strings.Cut(rest, ","); strings.TrimSpace(after) != "" {
			return Request{}, say.Refuse("list-line")
		}
		fields = append(fields, strings.TrimSpace(field))
	}
	return Request{Method: fields[0], Args: fields[1:]}, nil
}

// ListError is a line of a list that is no problem, counted from 1.
type ListError struct {
	Line int
	Err  error
}

func (e ListError) Error() string { return "line " + strconv.Itoa(e.Line) + ": " + e.Err.Error() }

// FromList is a lesson with a scene for each problem of a list; empty lines are passed
// over. Where any line is no problem there is no lesson: all such lines are told. The words
// are the class's; those that the options choose go before them.
func FromList(title, list string, w say.Vocabulary, options map[string]string) (lesson.Lesson, []ListError) {
	options = maps.Clone(options)
	if options == nil {
		options = map[string]string{}
	}
	InWords(options, w)
	w.Regroup, w.Ones = options["regroup"], options["ones"]
	l := lesson.Lesson{Format: lesson.Format, Minor: lesson.Minor, Title: title, Words: w}
	var faults []ListError
	n := 0
	for line := range strings.Lines(list) {
		n++
		if strings.TrimSpace(line) == "" {
			continue
		}
		r, err := ReadLine(line, w)
		if err == nil {
			// Every method has the options that it knows.
			r.Options, err = optionsOf(r.Method, options)
		}
		var e Example
		if err == nil {
			e, err = Make(r)
		}
		if err != nil {
			faults = append(faults, ListError{n, err})
			continue
		}
		l.Scenes = append(l.Scenes, e.SceneAs("line-"+strconv.Itoa(n)))
	}
	if len(faults) > 0 {
		return lesson.Lesson{}, faults
	}
	return l, nil
}

// InWords puts the class's words into the options that do not choose others.
func InWords(options map[string]string, w say.Vocabulary) {
	for name, value := range map[string]string{"regroup": w.Regroup, "ones": w.Ones} {
		if _, set := options[name]; !set && value != "" {
			options[name] = value
		}
	}
}

func optionsOf(id string, options map[string]string) (map[string]string, error) {
	spec, err := Find(id)
	if err != nil {
		return nil, err
	}
	known := map[string]string{}
	for _, o := range spec.AllOptions() {
		if value, set := options[o.Name]; set {
			known[o.Name] = value
		}
	}
	return known, nil
}
