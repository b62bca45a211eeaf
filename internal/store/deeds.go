package store

import (
	"bufio"
	"encoding/json"
	"errors"
	"os"
	"slices"
	"time"
)

// Deed is one thing that a teacher did: who, what, with which thing. It names ids and no names.
type Deed struct {
	At time.Time `json:"at"`
	// Teacher is who did it; empty where nobody signs in, or where it was done at the server.
	Teacher string `json:"teacher,omitempty"`
	Did     string `json:"did"`
	// Of is the kind of thing, ID which.
	Of string `json:"of,omitempty"`
	ID string `json:"id,omitempty"`
}

// Deleted is what a deed does that takes something away for good.
const Deleted = "deleted"

// The kinds of things of children, whose deletion holds over a backup that is put back.
const (
	OfClass = "class"
	OfPupil = "pupil"
	OfSet   = "set"
)

// KeepDeeds is how long what was done is told.
const KeepDeeds = 2 * 366 * 24 * time.Hour

// deedsOf is the file of deeds beside a database: apart from it, so that it stays when an older
// database is put back.
func deedsOf(path string) string { return path + "-deeds" }

// Note writes a deed down. A deletion is on the disk when it is noted.
func (s *Store) Note(d Deed) error {
	d.At = s.now().UTC()
	line, err := json.Marshal(d)
	if err != nil {
		return err
	}
	s.deeds.Lock()
	defer s.deeds.Unlock()
	f, err := os.OpenFile(deedsOf(s.path), os.O_APPEND|os.O_CREATE|os.O_WRONLY, 0o600)
	if err != nil {
		return err
	}
	_, err = f.Write(append(line, '\n'))
	if err == nil && d.Did == Deleted {
		err = f.Sync()
	}
	return errors.Join(err, f.Close())
}

// Deeds are the last ones of a database, so many at most, the newest first; 0 for all.
func (s *Store) Deeds(most int) ([]Deed, error) { return Deeds(s.path, most) }

// TitlesOf are what lessons, classes and sets of deeds are called, by their ids. What is gone has
// none, and a child's name is told to nobody but her teacher.
func (s *Store) TitlesOf(deeds []Deed) (map[string]string, error) {
	titles := map[string]string{}
	called := map[string][2]string{"lesson": {"lessons", "title"}, OfClass: {"classes", "name"}, OfSet: {"sets", "title"}}
	for of, from := range called {
		var ids []string
		for _, d := range deeds {
			if d.Of == of && d.ID != "" {
				ids = append(ids, d.ID)
			}
		}
		for some := range slices.Chunk(ids, 500) {
			var rows []struct{ ID, Title string }
			err := s.read.Table(from[0]).Select("id", from[1]+" AS title").Where("id IN ?", some).Scan(&rows).Error
			if err != nil {
				return nil, err
			}
			for _, row := range rows {
				titles[row.ID] = row.Title
			}
		}
	}
	return titles, nil
}

// Deeds are those of the database at path.
func Deeds(path string, most int) ([]Deed, error) {
	list, err := readDeeds(path)
	slices.Reverse(list)
	if most > 0 && len(list) > most {
		list = list[:most]
	}
	return list, err
}

func readDeeds(path string) ([]Deed, error) {
	list := []Deed{}
	f, err := os.Open(deedsOf(path))
	if errors.Is(err, os.ErrNotExist) {
		return list, nil
	}
	if err != nil {
		return list, err
	}
	defer f.Close()
	lines := bufio.NewScanner(f)
	for lines.Scan() {
		var d Deed
		// A line that was cut off as the machine went down is no deed.
		if json.Unmarshal(lines.Bytes(), &d) == nil {
			list = append(list, d)
		}
	}
	return list, lines.Err()
}

// deleteAgain takes away what was deleted of children before: a backup from earlier may have
// brought it back. Deeds too old to be told are let go.
func (s *Store) deleteAgain() error {
	deeds, err := readDeeds(s.path)
	if err != nil {
		return err
	}
	again := map[string]func(id string) error{OfClass: s.DeleteClass, OfSet: s.DeleteSet, OfPupil: s.deletePupil}
	for _, d := range deeds {
		if remove := again[d.Of]; remove != nil && d.Did == Deleted {
			err := remove(d.ID)
			if err != nil && !errors.Is(err, ErrNoClass) && !errors.Is(err, ErrNoSet) && !errors.Is(err, ErrNoPupil) {
				return err
			}
		}
	}
	before := s.now().Add(-KeepDeeds)
	kept := slices.DeleteFunc(slices.Clone(deeds), func(d Deed) bool { return d.At.Before(before) })
	if len(kept) == len(deeds) {
		return nil
	}
	return writeDeeds(s.path, kept)
}

// writeDeeds writes the file anew, beside, and gives it its name when it is whole.
func writeDeeds(path string, list []Deed) error {
	var all []byte
	for _, d := range list {
		line, err := json.Marshal(d)
		if err != nil {
			return err
		}
		all = append(append(all, line...), '\n')
	}
	part := deedsOf(path) + ".unfinished"
	if err := os.WriteFile(part, all, 0o600); err != nil {
		return err
	}
	if _, err := flush(part); err != nil {
		return err
	}
	return os.Rename(part, deedsOf(path))
}
