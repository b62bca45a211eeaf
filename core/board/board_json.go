package board

import (
	"encoding/json"
	"fmt"
	"slices"
)

// boardJSON is the file form of a board. Titles and tiles are left out when
// there is nothing in them.
type boardJSON struct {
	Models []json.RawMessage `json:"models"`
	Titles []string          `json:"titles,omitempty"`
	Tiles  []tileJSON        `json:"tiles,omitempty"`
	Covers []Cover           `json:"covers,omitempty"`
}

type tileJSON struct {
	Width  int               `json:"width,omitempty"`
	Linked bool              `json:"linked,omitempty"`
	Beside []string          `json:"beside,omitempty"`
	Kept   []json.RawMessage `json:"kept,omitempty"`
}

// MarshalJSON writes everything but the ids.
func (b Board) MarshalJSON() ([]byte, error) {
	models, err := marshalModels(b.Models)
	if err != nil {
		return nil, err
	}
	out := boardJSON{Models: models, Covers: b.Covers}
	if slices.ContainsFunc(b.Tiles, func(t Tile) bool { return t.Title != "" }) {
		for _, t := range b.Tiles {
			out.Titles = append(out.Titles, t.Title)
		}
	}
	if !slices.ContainsFunc(b.Tiles, func(t Tile) bool { return !t.isPlain() }) {
		return json.Marshal(out)
	}
	for _, t := range b.Tiles {
		kept, err := marshalModels(t.Kept)
		if err != nil {
			return nil, err
		}
		out.Tiles = append(out.Tiles, tileJSON{t.Width, t.Linked, t.Beside, kept})
	}
	return json.Marshal(out)
}

func marshalModels(models []Model) ([]json.RawMessage, error) {
	out := make([]json.RawMessage, len(models))
	for i, m := range models {
		raw, err := json.Marshal(m)
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
	if err := json.Unmarshal(data, &in); err != nil {
		return err
	}
	if len(in.Models) < 1 || len(in.Models) > MaxModels {
		return fmt.Errorf("models: a board holds one to four models, and this one has %d", len(in.Models))
	}
	*b = Board{Covers: in.Covers, Tiles: make([]Tile, len(in.Models))}
	for i, raw := range in.Models {
		m, err := decodeModel(raw, &b.ids)
		if err != nil {
			return fmt.Errorf("models[%d]: %w", i, err)
		}
		b.Models = append(b.Models, m)
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

func (t *Tile) read(in tileJSON, ids *IDs) error {
	t.Width, t.Linked, t.Beside = in.Width, in.Linked, in.Beside
	if t.Width < 0 || t.Width > MaxWidth {
		return fmt.Errorf("width: %d is not from %d to %d", t.Width, MinWidth, MaxWidth)
	}
	if len(in.Kept) > MaxKept {
		return fmt.Errorf("kept: %d copies; a model keeps at most %d", len(in.Kept), MaxKept)
	}
	for i, raw := range in.Kept {
		m, err := decodeModel(raw, ids)
		if err != nil {
			return fmt.Errorf("kept[%d]: %w", i, err)
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

func decodeModel(raw json.RawMessage, ids *IDs) (Model, error) {
	var head struct {
		Kind string `json:"kind"`
	}
	if err := json.Unmarshal(raw, &head); err != nil {
		return nil, err
	}
	spec, ok := SpecOf(head.Kind)
	if !ok {
		return nil, fmt.Errorf("kind: there is no model called %q. Models are %s", head.Kind, kindsList())
	}
	return spec.Decode(raw, ids)
}
