package method

import (
	"cmp"
	"maps"
	"reflect"
	"slices"
)

// ofTheClass are options that are set as the class's words, not for one example.
var ofTheClass = []string{"regroup", "ones"}

// Matters are the options of which another choice would change the example of a request, so
// that none is offered that does nothing. Those of the class's words are left out; a text of
// the teacher's own is always offered.
func Matters(r Request) []string {
	names := []string{}
	spec, err := Find(r.Method)
	if err != nil {
		return names
	}
	made, err := Make(r)
	if err != nil {
		return names
	}
	now := bare(made)
	for _, o := range spec.AllOptions() {
		if slices.Contains(ofTheClass, o.Name) || o.Name == storyOption.Name && len(r.numbers()) == 0 {
			continue
		}
		if len(o.Choices) == 0 || slices.ContainsFunc(o.Choices, func(choice string) bool {
			if choice == cmp.Or(r.Options[o.Name], o.Choices[0]) {
				return false
			}
			other := r
			other.Options = maps.Clone(r.Options)
			if other.Options == nil {
				other.Options = map[string]string{}
			}
			other.Options[o.Name] = choice
			e, err := Make(other)
			return err == nil && !reflect.DeepEqual(now, bare(e))
		}) {
			names = append(names, o.Name)
		}
	}
	return names
}

// bare are the scenes of an example without the choices that they were made by.
func bare(e Example) []any {
	e.Scene.Made = nil
	list := []any{e.Scene}
	for _, more := range e.More {
		list = append(list, bare(more)...)
	}
	return list
}
