package form

import "reflect"

// Call calls a function that gives a value and an error, where its types are known
// by what is done and not to the caller: one such call serves every move and every
// operation, whose arguments came by their types too.
func Call(f reflect.Value, args ...any) (any, error) {
	in := make([]reflect.Value, len(args))
	for i, a := range args {
		in[i] = reflect.ValueOf(a)
	}
	out := f.Call(in)
	err, _ := out[1].Interface().(error)
	return out[0].Interface(), err
}
