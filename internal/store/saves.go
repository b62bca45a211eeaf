package store

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"hash/crc32"
	"time"

	"gorm.io/gorm"

	"unitbloom/core/form"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
)

// ErrClosed is a save that came when the database was being closed.
var ErrClosed = errors.New("the database is closed")

// Save is one save as it arrives, its edits in the present format. Its operation id
// is made by the device, at random, and unique within the lesson.
type Save struct {
	Operation string        `json:"operation"`
	Base      int           `json:"base"`
	Edits     []lesson.Edit `json:"edits"`
}

// EditError is an edit that the core refused; nothing was saved.
type EditError struct {
	Index int
	Err   error
}

// Error names the edit and the reason.
func (e *EditError) Error() string { return fmt.Sprintf("edits[%d].%v", e.Index, e.Err) }

// Unwrap is the core's reason.
func (e *EditError) Unwrap() error { return e.Err }

// groupLimit is how many writes share one transaction at most.
const groupLimit = 32

// waiting is a write on its way to the disk: what it writes, and what is to be done when it is
// known how that went, before it is acknowledged.
type waiting struct {
	write func(tx *gorm.DB) error
	after func(failed error)
	err   error
	done  chan struct{}
}

// together makes a write in one transaction with others that wait, and returns when it is on the
// disk. One that is refused must have written nothing.
func (s *Store) together(write func(tx *gorm.DB) error, after func(failed error)) error {
	w := &waiting{write: write, after: after, done: make(chan struct{})}
	select {
	case s.queue <- w:
		<-w.done
		return w.err
	case <-s.closing:
		return ErrClosed
	}
}

// Save makes the edits on the lesson at the base revision and returns the new
// one. An operation that was made already does nothing and returns its
// revision; one whose id was used for other edits is ErrOther. With a stale base it
// returns the present revision and ErrStale.
func (s *Store) Save(id string, save Save) (rev int, err error) {
	err = s.together(func(tx *gorm.DB) error {
		var err error
		rev, err = s.saveOnce(tx, id, save)
		return err
	}, func(failed error) {
		if s.wrote(); failed != nil {
			s.forget(id)
		}
	})
	return rev, err
}

// saveWaiting makes the writes that wait together in one transaction, so that
// several writers share one flush to the disk. Each is acknowledged after it.
func (s *Store) saveWaiting() {
	defer close(s.saved)
	for {
		select {
		case first := <-s.queue:
			s.saveGroup(append([]*waiting{first}, s.alsoWaiting()...))
		case <-s.closing:
			return
		}
	}
}

func (s *Store) alsoWaiting() (group []*waiting) {
	for len(group) < groupLimit-1 {
		select {
		case w := <-s.queue:
			group = append(group, w)
		default:
			return group
		}
	}
	return group
}

// saveGroup commits the writes. One that the rules refuse has written nothing
// and does not keep the others back; when the database fails, all do.
func (s *Store) saveGroup(group []*waiting) {
	err := s.write.Transaction(func(tx *gorm.DB) error {
		for _, w := range group {
			if w.err = w.write(tx); w.err != nil && !refused(w.err) {
				return w.err
			}
		}
		return nil
	})
	for _, w := range group {
		if err != nil {
			w.err = err
		}
		w.after(err)
		close(w.done)
	}
}

// refused reports whether a write was turned down before anything was written.
func refused(err error) bool {
	var edit *EditError
	return errors.Is(err, ErrStale) || errors.Is(err, ErrNotFound) || errors.Is(err, ErrOther) ||
		errors.Is(err, ErrNoSet) || errors.As(err, &edit)
}

// Done is the revision that a save made, when it was made already.
func (s *Store) Done(id string, save Save) (rev int, done bool, err error) {
	return s.done(s.read, id, save)
}

func (s *Store) done(tx *gorm.DB, id string, save Save) (rev int, done bool, err error) {
	var was []Operation
	err = tx.Select("rev", "format", "edits").Where("lesson_id = ? AND id = ?", id,
		save.Operation).Limit(1).Find(&was).Error
	if err != nil || len(was) == 0 {
		return 0, false, err
	}
	edits, err := form.JSON(save.Edits)
	if err != nil {
		return 0, false, err
	}
	kept, err := lesson.UpgradeEdits(max(was[0].Format, 1), was[0].Edits)
	if err != nil {
		return 0, false, err
	}
	if !bytes.Equal(kept, edits) && !sameEdits(kept, edits) {
		return was[0].Rev, true, ErrOther
	}
	return was[0].Rev, true, nil
}

// sameEdits compares edits that an older version wrote with those of today.
func sameEdits(kept, now []byte) bool {
	var edits []lesson.Edit
	if json.Unmarshal(kept, &edits) != nil {
		return false
	}
	again, err := form.JSON(edits)
	return err == nil && bytes.Equal(again, now)
}

func (s *Store) saveOnce(tx *gorm.DB, id string, save Save) (int, error) {
	if rev, done, err := s.done(tx, id, save); done || err != nil {
		return rev, err
	}
	return s.saveIn(tx, id, save)
}

func (s *Store) saveIn(tx *gorm.DB, id string, save Save) (int, error) {
	var row Row
	if err := tx.Select("rev").Where("id = ?", id).Take(&row).Error; err != nil {
		return 0, notFound(err)
	}
	if row.Rev != save.Base {
		return row.Rev, ErrStale
	}
	before, err := s.document(tx, id, row.Rev)
	if err != nil {
		return row.Rev, err
	}
	l := before
	for i, e := range save.Edits {
		if l, err = lesson.Apply(l, e); err != nil {
			return row.Rev, &EditError{i, err}
		}
	}
	next := row.Rev + 1
	if err := s.keep(tx, id, next, before, l, save); err != nil {
		return row.Rev, err
	}
	s.remember(id, decodedLesson{next, l})
	return next, nil
}

// keep writes the operation, and now and then the whole document, so that a
// save of a large lesson is as quick as one of a small lesson.
func (s *Store) keep(tx *gorm.DB, id string, rev int, before, l lesson.Lesson, save Save) error {
	edits, err := form.JSON(save.Edits)
	if err != nil {
		return err
	}
	changed := map[string]any{
		"title": l.Title, "objective": l.Objective, "scenes": len(l.Scenes), "rev": rev,
		"updated_at": inAllDigits(s.now()), "topics": topics(l),
	}
	// Most saves change nothing that is told: what is sought of a long record is not written again.
	if !method.FoundAlike(before, l) {
		changed["found"] = method.FoundBy(l)
	}
	op := Operation{LessonID: id, ID: save.Operation, Rev: rev, Format: lesson.Format, Edits: edits, CreatedAt: s.now()}
	err = errors.Join(
		tx.Create(&op).Error,
		tx.Model(&Row{}).Where("id = ?", id).Updates(changed).Error,
	)
	if err != nil || (rev+turnOf(id))%SnapshotEvery != 0 {
		return err
	}
	doc, err := form.JSON(l)
	if err != nil {
		return err
	}
	return tx.Model(&Document{}).Where("lesson_id = ?", id).Updates(map[string]any{"rev": rev, "doc": doc}).Error
}

// inAllDigits is a time, to ten nanoseconds, that is written with as many digits as any. A row that keeps
// its length is written over where it differs; of another, all that is sought is written anew.
func inAllDigits(t time.Time) time.Time { return t.Truncate(10).Add(1) }

// turnOf spreads the whole documents of lessons that are saved in step over
// different saves.
func turnOf(id string) int { return int(crc32.ChecksumIEEE([]byte(id)) % SnapshotEvery) }
