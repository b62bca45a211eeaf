package manual

import (
	"fmt"
	"reflect"
	"strings"

	"unitbloom/core/door"
	"unitbloom/core/form"
)

// Door is the page about every operation that a host can ask the core for.
func Door() string {
	var w strings.Builder
	w.WriteString(`# The door of the core

Written from the operations by ` + "`make generate`" + `. A call is a name and an object, the answer
` + "`{\"ok\": …}` or `{\"error\": {\"code\", \"text\"}}`" + `. Forms of arguments and answers are in
[schema/door.schema.json](schema/door.schema.json); what the golden files of
` + "`core/door/testdata/golden`" + ` ask is answered alike in both hosts. An error with the code
` + "`" + door.CodeFault + "`" + ` is a mistake in the program, and leaves every document as it was;
` + "`" + door.CodeInvalid + "`" + ` is an argument that cannot be read; any other code is a
refusal of the rules, in the class's words.

| operation | takes | answers | |
| --- | --- | --- | --- |
`)
	for _, o := range door.Operations() {
		takes := fields(o.Arg)
		if o.OnOpen {
			takes = append([]string{"`handle`"}, takes...)
		}
		if len(takes) == 0 {
			takes = []string{"–"}
		}
		fmt.Fprintf(&w, "| `%s` | %s | %s | %s |\n", o.Name, strings.Join(takes, ", "), answered(o.Answer), o.Doc)
	}
	return w.String()
}

func fields(t reflect.Type) (names []string) {
	for _, name := range form.Fields(t) {
		names = append(names, "`"+name+"`")
	}
	return names
}

func answered(t reflect.Type) string {
	switch t.Kind() {
	case reflect.Slice:
		return "a list of " + t.Elem().Name()
	case reflect.Pointer:
		return answered(t.Elem())
	}
	if t == reflect.TypeFor[door.None]() {
		return "–"
	}
	return t.Name()
}
