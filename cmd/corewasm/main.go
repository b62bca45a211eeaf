//go:build js && wasm

// Command corewasm is the core in a browser: one function over the door, and
// one to call when nobody waits.
package main

import (
	"runtime"
	"runtime/debug"
	"syscall/js"

	"unitbloom/core/door"
)

// memoryLimit is where memory is collected though a class may be waiting.
const memoryLimit = 384 << 20

func main() {
	// There is one thread: a collection in the middle of a move would be felt. So
	// the page says when it rests, and only a full memory does not wait for that.
	debug.SetGCPercent(-1)
	debug.SetMemoryLimit(memoryLimit)
	d := door.New()
	js.Global().Set("unitbloomCore", js.FuncOf(func(_ js.Value, args []js.Value) any {
		return string(d.Call(args[0].String(), []byte(args[1].String())))
	}))
	js.Global().Set("unitbloomRest", js.FuncOf(func(js.Value, []js.Value) any {
		runtime.GC()
		return nil
	}))
	select {}
}
