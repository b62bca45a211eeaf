// Package cubes is the linking cubes model: trains of 1 to 20 cubes, snapped
// between any two and joined again, in colours by part, and towers of ten as
// one piece.
package cubes

import (
	"encoding/json"
	"fmt"
	"slices"
	"strconv"
	"strings"

	"unitbloom/core/board"
	"unitbloom/core/form"
	"unitbloom/core/model/pieces"
	"unitbloom/core/place"
)

// Limits of the model.
const (
	MaxTrain  = 20
	MaxTrains = 60
	MaxPart   = 4
)

var kit = pieces.Kit{
	Rules:  pieces.Rules{Noun: "cube", Least: place.Ones, Most: place.Tens, Parts: MaxPart},
	Sample: "cubes 5a4b 3",
}

// Cubes is the model: a cube's Group is its train, its Part its colour. A tower
// is a piece of the place tens.
type Cubes struct {
	List []pieces.Piece // towers, then the trains in order, then what is out of play
}

// Kind is "cubes".
func (Cubes) Kind() string { return "cubes" }

// Pieces is how many pieces there are, in play or not.
func (c Cubes) Pieces() int { return len(c.List) }

// Held is the pieces.
func (c Cubes) Held() []pieces.Piece { return c.List }

// InPlay is the towers and cubes in play.
func (c Cubes) InPlay() place.UnitForm { return pieces.InPlay(c.List) }

// linked reports whether a piece is a cube of a train.
func linked(k pieces.Piece) bool {
	return k.Place == place.Ones && (k.State == pieces.Play || k.State == pieces.Crossed)
}

// With is c holding other pieces.
func (c Cubes) With(list []pieces.Piece) pieces.Holder { return c.with(list) }

// with is c holding other pieces: cubes of no train make new ones, and trains
// are numbered in the order they lie.
func (c Cubes) with(list []pieces.Piece) Cubes {
	list = slices.Clone(list)
	last := int8(0)
	for _, k := range list {
		if linked(k) {
			last = max(last, k.Group)
		}
	}
	fresh := 0
	for i := range list {
		k := &list[i]
		switch {
		case !linked(*k):
			k.Group = 0
		case k.Group == 0:
			if fresh%MaxTrain == 0 && last < 126 {
				last++
			}
			fresh++
			k.Group = last
		}
	}
	slices.SortStableFunc(list, func(x, y pieces.Piece) int { return rank(x) - rank(y) })
	now, was := int8(0), int8(0)
	for i := range list {
		if k := &list[i]; linked(*k) {
			if k.Group != was {
				now, was = now+1, k.Group
			}
			k.Group = now
		}
	}
	c.List = list
	return c
}

// rank is the order of the list: towers, trains, the rest.
func rank(k pieces.Piece) int {
	switch {
	case k.Place == place.Tens && k.State != pieces.Taken && k.State != pieces.Copy:
		return 0
	case linked(k):
		return int(k.Group)
	}
	return 1000 - int(k.Place)
}

// Trains is how many trains there are.
func (c Cubes) Trains() int { return len(c.trains()) }

// trains are the trains in order.
func (c Cubes) trains() [][]pieces.Piece {
	var out [][]pieces.Piece
	for _, k := range c.List {
		if !linked(k) {
			continue
		}
		if len(out) < int(k.Group) {
			out = append(out, nil)
		}
		out[k.Group-1] = append(out[k.Group-1], k)
	}
	return out
}

// JSON is the form in files: alike cubes that lie side by side are one run.
type JSON struct {
	Kind string       `json:"kind" jsonschema:"required,enum=cubes"`
	Runs []pieces.Run `json:"pieces" jsonschema:"required"`
}

// MarshalJSON writes runs; ids are left out.
func (c Cubes) MarshalJSON() ([]byte, error) {
	return form.JSON(JSON{"cubes", pieces.Runs(c.List)})
}

func decode(raw json.RawMessage, ids *board.IDs) (board.Model, error) {
	var in JSON
	if err := board.ReadForm(raw, &in); err != nil {
		return nil, err
	}
	list, err := kit.Read(in.Runs, ids)
	if err != nil {
		return nil, err
	}
	c := Cubes{}.with(list)
	return c, c.check()
}

func (c Cubes) check() error {
	if err := kit.Check(c.List); err != nil {
		return err
	}
	trains := c.trains()
	if len(trains) > MaxTrains {
		return fmt.Errorf("pieces: %d trains are too many; there are at most %d", len(trains), MaxTrains)
	}
	for i, t := range trains {
		if len(t) > MaxTrain {
			return fmt.Errorf("pieces: train %d has %d cubes; a train has at most %d", i+1, len(t), MaxTrain)
		}
	}
	return nil
}

// The notation is the towers and then each train, as runs of a count and a
// colour from a to d: "2T 5a4b 3". No cubes at all are "0".
func printNotation(m board.Model) string {
	var tokens []string
	towers := 0
	var trains [][]pieces.Piece
	for _, k := range m.(Cubes).List {
		switch {
		case k.State != pieces.Play:
		case k.Place == place.Tens:
			towers++
		default:
			if n := len(trains); n == 0 || trains[n-1][0].Group != k.Group {
				trains = append(trains, nil)
			}
			trains[len(trains)-1] = append(trains[len(trains)-1], k)
		}
	}
	if towers > 0 {
		tokens = append(tokens, strconv.Itoa(towers)+"T")
	}
	for _, t := range trains {
		runs := colourRuns(t)
		text := strconv.Itoa(len(t))
		if len(runs) > 1 || runs[0][0].Part > 0 {
			text = ""
			for _, run := range runs {
				text += strconv.Itoa(len(run)) + colourLetter(run[0].Part)
			}
		}
		tokens = append(tokens, text)
	}
	if tokens == nil {
		return "0"
	}
	return strings.Join(tokens, " ")
}

// colourLetter is a to d for the colours 1 to 4, and a dot where a run of no
// colour must be told from its neighbour.
func colourLetter(part int8) string {
	if part == 0 {
		return "."
	}
	return string(rune('a' + part - 1))
}

// colourRuns are the cubes of a train, parted where the colour changes.
func colourRuns(train []pieces.Piece) [][]pieces.Piece {
	var runs [][]pieces.Piece
	for i, k := range train {
		if i == 0 || train[i-1].Part != k.Part {
			runs = append(runs, nil)
		}
		runs[len(runs)-1] = append(runs[len(runs)-1], k)
	}
	return runs
}

func parseNotation(s string, ids *board.IDs) (board.Model, error) {
	var list []pieces.Piece
	train := int8(0)
	for _, token := range strings.Fields(s) {
		if token == "0" {
			continue
		}
		if text, ok := strings.CutSuffix(token, "T"); ok {
			n, err := readCount(text, board.MaxPieces)
			if err != nil {
				return nil, err
			}
			list = append(list, pieces.Many(place.Tens, n, 0, ids.Take(n))...)
			continue
		}
		if train++; train > MaxTrains {
			return nil, fmt.Errorf("%q has more than %d trains", s, MaxTrains)
		}
		some, err := parseTrain(token, train, ids)
		if err != nil {
			return nil, err
		}
		list = append(list, some...)
	}
	if len(list) > board.MaxPieces {
		return nil, fmt.Errorf("%q has %d pieces; a board holds %d", s, len(list), board.MaxPieces)
	}
	c := Cubes{}.with(list)
	return c, c.check()
}

// parseTrain reads "5a4b" or a plain "3".
func parseTrain(token string, train int8, ids *board.IDs) ([]pieces.Piece, error) {
	var out []pieces.Piece
	for rest := token; rest != ""; {
		i := strings.IndexFunc(rest, func(r rune) bool { return r < '0' || r > '9' })
		part := 0
		number := rest
		if i >= 0 {
			number = rest[:i]
			if rest[i] != '.' {
				part = int(rest[i]-'a') + 1
			}
			rest = rest[i+1:]
		} else {
			rest = ""
		}
		n, err := readCount(number, MaxTrain)
		if err != nil || part < 0 || part > MaxPart {
			return nil, fmt.Errorf("%q is not a train. Write counts of cubes, with colours from a to d where there are some, "+
				"like 5a4b", token)
		}
		some := pieces.Many(place.Ones, n, part, ids.Take(n))
		for k := range some {
			some[k].Group = train
		}
		out = append(out, some...)
	}
	return out, nil
}

func readCount(text string, most int) (int, error) {
	n, err := strconv.Atoi(text)
	if err != nil || n < 1 || n > most {
		return 0, fmt.Errorf("%q is not a number from 1 to %d", text, most)
	}
	return n, nil
}

// canonical keeps the towers and trains in play with their colours.
func canonical(m board.Model) board.Model {
	var out []pieces.Piece
	for _, k := range m.(Cubes).List {
		if k.State == pieces.Play {
			part := k.Part
			if k.Place == place.Tens {
				part = 0
			}
			out = append(out, pieces.Piece{ID: k.ID, Place: k.Place, Part: part, Group: k.Group})
		}
	}
	return Cubes{}.with(out)
}
