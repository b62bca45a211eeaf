package board

import (
	"encoding/json"
	"errors"
	"fmt"
	"reflect"
	"slices"

	"unitbloom/core/form"
)

// boardJSON is the file form of a board. Titles and tiles are left out when
// there is nothing in them.
type boardJSON struct {
	Models []json.RawMessage `json:"models"`
	Titles []string          `json:"titles,omitempty"`
	Tiles  []json.RawMessage `json:"tiles,omitempty"`
	Covers []Cover           `json:"covers,omitempty"`
}

type tileJSON struct {
	Width  int               `json:"width,omitempty"`
	Linked bool              `json:"linked,omitempty"`
	Beside []string          `json:"beside,omitempty"`
	Counts Shown             `json:"counts,omitempty"`
	Held   []string          `json:"held,omitempty"`
	Kept   []json.RawMessage `json:"kept,omitempty"`
}

// MarshalJSON writes everything but the ids.
func (b Board) MarshalJSON() ([]byte, error) {
	models, err := marshalModels(b.Models)
	if err != nil {
		return nil, err
	}
	for i, raw := range models {
		if i < len(b.Tiles) && b.Tiles[i].ofModel != nil {
			if models[i], err = form.Write(raw, b.Tiles[i].ofModel); err != nil {
				return nil, err
			}
		}
	}
	out := boardJSON{Models: models, Covers: b.Covers}
	if slices.ContainsFunc(b.Tiles, func(t Tile) bool { return t.Title != "" }) {
		for _, t := range b.Tiles {
			out.Titles = append(out.Titles, t.Title)
		}
	}
	if !slices.ContainsFunc(b.Tiles, func(t Tile) bool { return !t.isPlain() }) {
		return form.Write(out, b.extra)
	}
	for _, t := range b.Tiles {
		kept, err := marshalModels(t.Kept)
		if err != nil {
			return nil, err
		}
		tile, err := form.Write(tileJSON{t.Width, t.Linked, t.Beside, t.Counts, t.Held, kept}, t.extra)
		if err != nil {
			return nil, err
		}
		out.Tiles = append(out.Tiles, tile)
	}
	return form.Write(out, b.extra)
}

func marshalModels(models []Model) ([]json.RawMessage, error) {
	out := make([]json.RawMessage, len(models))
	for i, m := range models {
		raw, err := form.JSON(m)
		if err != nil {
			return nil, err
		}
		out[i] = raw
	}
	return out, nil
}

// UnmarshalJSON reads a board and gives its pieces ids from 1 up, in order.
func (b *Board) UnmarshalJSON(data []byte) error {
	var in boardJSON
	extra, err := form.Keep(data, &in)
	if err != nil {
		return err
	}
	if len(in.Models) < 1 || len(in.Models) > MaxModels {
		return fmt.Errorf("models: a board holds one to four models, and this one has %d", len(in.Models))
	}
	*b = Board{Covers: in.Covers, Tiles: make([]Tile, len(in.Models)), extra: extra}
	for i, raw := range in.Models {
		m, more, err := decodeModel(raw, &b.ids)
		if err != nil {
			return fmt.Errorf("models[%d]: %w", i, err)
		}
		b.Models, b.Tiles[i].ofModel = append(b.Models, m), more
	}
	for i := range b.Tiles {
		if i < len(in.Titles) {
			b.Tiles[i].Title = in.Titles[i]
		}
		if i < len(in.Tiles) {
			if err := b.Tiles[i].read(in.Tiles[i], &b.ids); err != nil {
				return fmt.Errorf("tiles[%d].%w", i, err)
			}
		}
	}
	return b.validate()
}

func (t *Tile) read(raw json.RawMessage, ids *IDs) error {
	var in tileJSON
	extra, err := form.Keep(raw, &in)
	if err != nil {
		return err
	}
	t.extra = extra
	t.Width, t.Linked, t.Beside, t.Counts, t.Held = in.Width, in.Linked, in.Beside, in.Counts, in.Held
	if err := t.Counts.check(); err != nil {
		return fmt.Errorf("counts: %w", err)
	}
	if t.Width < 0 || t.Width > MaxWidth {
		return fmt.Errorf("width: %d is not from %d to %d", t.Width, MinWidth, MaxWidth)
	}
	if len(in.Kept) > MaxKept {
		return fmt.Errorf("kept: %d copies; a model keeps at most %d", len(in.Kept), MaxKept)
	}
	for i, raw := range in.Kept {
		m, more, err := decodeModel(raw, ids)
		if err != nil {
			return fmt.Errorf("kept[%d]: %w", i, err)
		}
		if len(more) > 0 {
			return fmt.Errorf("kept[%d]: %w", i, form.UnknownField(more.Names()[0]))
		}
		t.Kept = append(t.Kept, m)
	}
	return nil
}

func (b Board) validate() error {
	if n := b.Pieces(); n > MaxPieces {
		return fmt.Errorf("models: %d pieces are too many; a board holds %d", n, MaxPieces)
	}
	for i, m := range b.Models {
		if _, err := m.InPlay().Total(); err != nil {
			return fmt.Errorf("models[%d]: %w", i, err)
		}
	}
	for i, c := range b.Covers {
		if c.Model < 0 || c.Model >= len(b.Models) || !hasZone(b.Models[c.Model], c.Zone) {
			return fmt.Errorf("covers[%d]: there is no zone %q on model %d", i, c.Zone, c.Model)
		}
		if c.At != nil {
			if err := c.At.check(); err != nil {
				return fmt.Errorf("covers[%d].at: %w", i, err)
			}
		}
	}
	return nil
}

// decodeModel reads a model, and gives back the fields that its form does not have.
func decodeModel(raw json.RawMessage, ids *IDs) (Model, form.Extra, error) {
	var head struct {
		Kind string `json:"kind"`
	}
	if err := json.Unmarshal(raw, &head); err != nil {
		return nil, nil, err
	}
	spec, ok := SpecOf(head.Kind)
	if !ok {
		return nil, nil, fmt.Errorf("kind: there is no model called %s. Models are %s", form.Quote(head.Kind), kindsList())
	}
	m, err := spec.Decode(raw, ids)
	var unknown form.UnknownField
	if !errors.As(err, &unknown) {
		return m, nil, err
	}
	// The fields of a later minor are kept beside the model.
	shape := reflect.New(reflect.TypeOf(spec.Shape))
	extra, err := form.Keep(raw, shape.Interface())
	if err != nil {
		return nil, nil, err
	}
	known, err := json.Marshal(shape.Interface())
	if err != nil {
		return nil, nil, err
	}
	m, err = spec.Decode(known, ids)
	return m, extra, err
}

// ReadForm reads a model's file form: fields that it does not have, and values
// beyond its limits, are refused with their path.
func ReadForm[T any](raw []byte, into *T) error {
	if err := form.Read(raw, into); err != nil {
		return form.Plain(err)
	}
	if faults := form.Of(reflect.TypeFor[T]()).Faults("", *into, 1); len(faults) > 0 {
		return faults[0]
	}
	return nil
}

// Unknown lists the fields of the board, its tiles and its models that this version
// does not know: kept, when they are of a later minor, and otherwise a fault.
func (b Board) Unknown() []string {
	names := b.extra.Names()
	for _, t := range b.Tiles {
		names = slices.Concat(names, t.extra.Names(), t.ofModel.Names())
	}
	return names
}
