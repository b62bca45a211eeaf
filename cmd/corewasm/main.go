//go:build js && wasm

// Command corewasm is the core in a browser: one function over the door.
package main

import (
	"syscall/js"

	"unitbloom/core/door"
)

func main() {
	d := door.New()
	js.Global().Set("unitbloomCore", js.FuncOf(func(_ js.Value, args []js.Value) any {
		return string(d.Call(args[0].String(), []byte(args[1].String())))
	}))
	select {}
}
