package store

import (
	"errors"

	"gorm.io/gorm"
)

// ErrClosed is a save that came when the database was being closed.
var ErrClosed = errors.New("the database is closed")

// groupLimit is how many saves share one transaction at most.
const groupLimit = 32

// waiting is a save on its way to the disk.
type waiting struct {
	id   string
	save Save
	rev  int
	err  error
	done chan struct{}
}

// Save makes the edits on the lesson at the base revision and returns the new
// one. An operation that was made already does nothing and returns its
// revision. With a stale base it returns the present revision and ErrStale.
func (s *Store) Save(id string, save Save) (rev int, err error) {
	w := &waiting{id: id, save: save, done: make(chan struct{})}
	select {
	case s.queue <- w:
		<-w.done
		return w.rev, w.err
	case <-s.closing:
		return 0, ErrClosed
	}
}

// saveWaiting makes the saves that wait together in one transaction, so that
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

// saveGroup commits the saves. One that the rules refuse has written nothing
// and does not keep the others back; when the database fails, all do.
func (s *Store) saveGroup(group []*waiting) {
	err := s.write.Transaction(func(tx *gorm.DB) error {
		for _, w := range group {
			if w.rev, w.err = s.saveOnce(tx, w.id, w.save); w.err != nil && !refused(w.err) {
				return w.err
			}
		}
		return nil
	})
	s.wrote()
	for _, w := range group {
		if err != nil {
			w.err = err
			s.forget(w.id)
		}
		close(w.done)
	}
}

// refused reports whether the save was turned down before anything was written.
func refused(err error) bool {
	var edit *EditError
	return errors.Is(err, ErrStale) || errors.Is(err, ErrNotFound) || errors.As(err, &edit)
}

func (s *Store) saveOnce(tx *gorm.DB, id string, save Save) (int, error) {
	var done []Operation
	if err := tx.Select("rev").Where("id = ?", save.Operation).Limit(1).Find(&done).Error; err != nil {
		return 0, err
	}
	if len(done) > 0 {
		return done[0].Rev, nil
	}
	return s.saveIn(tx, id, save)
}
