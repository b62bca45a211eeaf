// Package model puts every model into the registry: one line each.
package model

import (
	"unitbloom/core/board"
	"unitbloom/core/model/blocks"
	"unitbloom/core/model/counters"
	"unitbloom/core/model/cubes"
	"unitbloom/core/model/discs"
	"unitbloom/core/model/rack"
)

func init() {
	board.Use(
		blocks.Spec(),
		rack.Spec(),
		counters.Spec(),
		cubes.Spec(),
		discs.Spec(),
	)
}
