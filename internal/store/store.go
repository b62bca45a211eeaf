// Package store keeps lessons in SQLite through GORM. One connection writes,
// a pool reads; an acknowledged save is on the disk. One server has a database at
// a time. How the tables look and how to change them stands in docs/store.md.
package store

import (
	"errors"
	"fmt"
	"log/slog"
	"net/url"
	"os"
	"sync"
	"time"

	"github.com/glebarez/sqlite"
	"github.com/gofrs/flock"
	"gorm.io/gorm"
	"gorm.io/gorm/logger"

	"unitbloom/core/lesson"
)

// KeepDeleted is how long a deleted lesson can be brought back.
const KeepDeleted = 30 * 24 * time.Hour

// The errors that callers tell apart.
var (
	ErrNotFound = errors.New("there is no such lesson")
	ErrStale    = errors.New("the lesson has changed since")
	// ErrOther is an operation or a lesson whose id was used for something else.
	ErrOther = errors.New("this id was used for something else")
	// ErrFolder is a name of a folder that is too long.
	ErrFolder = errors.New("the name of the folder is too long")
)

// Store is an open database.
type Store struct {
	path          string
	lock          *flock.Flock
	write, read   *gorm.DB
	log           *slog.Logger
	mu            sync.Mutex
	decoded       map[string]decodedLesson
	shelf         map[bool][]Line // lists as they were last read; gone with the next write
	now           func() time.Time
	decodedBudget int
	queue         chan *waiting
	closing       chan struct{}
	saved         chan struct{}
	once          sync.Once
	deeds         sync.Mutex
	writes        int // how many writes there were, so that a list read meanwhile is not kept
}

// decodedLesson spares decoding a lesson again for each of its saves.
type decodedLesson struct {
	rev int
	doc lesson.Lesson
}

// Open opens the database file for a server, makes it when it is not there, checks
// it and brings it up to date. No other server may have it open. Errors are
// sentences that say what is wrong and what would do.
func Open(path string, log *slog.Logger) (*Store, error) {
	if log == nil {
		log = slog.New(slog.DiscardHandler)
	}
	lock, err := hold(path)
	if err != nil {
		return nil, err
	}
	s := &Store{
		path: path, lock: lock, log: log, now: time.Now, decodedBudget: 64,
		decoded: map[string]decodedLesson{}, shelf: map[bool][]Line{},
		queue: make(chan *waiting), closing: make(chan struct{}), saved: make(chan struct{}),
	}
	if err := s.open(); err != nil {
		s.closeAll()
		return nil, explain(path, err)
	}
	go s.saveWaiting()
	return s, nil
}

// SetClock gives the store another clock than the machine's, before it is used.
func (s *Store) SetClock(now func() time.Time) { s.now = now }

func (s *Store) open() error {
	if err := finishRestore(s.path); err != nil {
		return err
	}
	if err := private(s.path); err != nil {
		return err
	}
	write, err := connect(s.path, forWriting, 1)
	if s.write = write; err != nil {
		return err
	}
	if err := quickCheck(write); err != nil {
		return err
	}
	if err := s.migrate(); err != nil {
		return err
	}
	if s.read, err = connect(s.path, forReading, 4); err != nil {
		return err
	}
	if err := errors.Join(s.sweep(), s.sweepSessions()); err != nil {
		return err
	}
	if err := s.deleteAgain(); err != nil {
		return err
	}
	return s.file()
}

// How a database is connected to: for writing, with every acknowledged transaction
// on the disk; for reading beside a writer; for copying, which SQLite takes for
// writing; and a file that nobody writes to.
const (
	forWriting = "_txlock=immediate&_pragma=journal_mode(WAL)&_pragma=synchronous(FULL)"
	forReading = "_txlock=deferred&_pragma=query_only(1)"
	forCopying = "_txlock=deferred"
	fileAlone  = "mode=ro&_pragma=query_only(1)"
)

func connect(path, how string, conns int) (*gorm.DB, error) {
	dsn := (&url.URL{Scheme: "file", Opaque: url.PathEscape(path)}).String() +
		"?_pragma=busy_timeout(5000)&_pragma=foreign_keys(1)&" + how
	db, err := gorm.Open(sqlite.Open(dsn), &gorm.Config{Logger: logger.Discard, SkipDefaultTransaction: true,
		PrepareStmt: true})
	if err != nil {
		return nil, err
	}
	pool, err := db.DB()
	if err != nil {
		return nil, err
	}
	pool.SetMaxOpenConns(conns)
	pool.SetMaxIdleConns(conns)
	return db, pool.Ping()
}

// sweep removes lessons deleted long ago with their showings, and operations too old to
// be sent again.
func (s *Store) sweep() error {
	before := s.now().Add(-KeepDeleted)
	return s.write.Transaction(func(tx *gorm.DB) error {
		lost := tx.Unscoped().Model(&Row{}).Select("id").Where("deleted_at < ?", before)
		err := tx.Unscoped().Model(&Row{}).Where("showing_of IN (?)", lost).Update("deleted_at",
			before.Add(-time.Second)).Error
		if err != nil {
			return err
		}
		gone := tx.Unscoped().Model(&Row{}).Select("id").Where("deleted_at < ?", before)
		folded := tx.Model(&Document{}).Select("rev").Where("documents.lesson_id = operations.lesson_id")
		return errors.Join(
			tx.Where("lesson_id IN (?)", gone).Delete(&Document{}).Error,
			tx.Where("lesson_id IN (?)", gone).Delete(&Operation{}).Error,
			tx.Unscoped().Where("deleted_at < ?", before).Delete(&Row{}).Error,
			tx.Where("created_at < ? AND rev <= (?)", before, folded).Delete(&Operation{}).Error,
		)
	})
}

// Close lets the saves under way end and closes the database.
func (s *Store) Close() error {
	s.once.Do(func() { close(s.closing) })
	<-s.saved
	return s.closeAll()
}

func (s *Store) closeAll() error {
	var errs []error
	for _, db := range []*gorm.DB{s.read, s.write} {
		if db == nil {
			continue
		}
		pool, err := db.DB()
		if err == nil {
			err = pool.Close()
		}
		errs = append(errs, err)
	}
	return errors.Join(append(errs, s.lock.Unlock())...)
}

// hold takes the lock of a database, which one server has at a time. The lock goes
// with the process, whatever ends it.
func hold(path string) (*flock.Flock, error) {
	if info, err := os.Stat(path); err == nil && info.IsDir() {
		return nil, fmt.Errorf("%q is a folder. Name a file in it, like %q", path,
			path+string(os.PathSeparator)+"unitbloom.db")
	}
	lock := flock.New(path+"-lock", flock.SetPermissions(0o600))
	got, err := lock.TryLock()
	if err != nil {
		return nil, explain(path, err)
	}
	if !got {
		return nil, fmt.Errorf("another Unit Bloom has the database %q open. Stop it first, or name another database with "+
			"--data", path)
	}
	return lock, nil
}

// private makes the file readable and writable for its owner alone.
func private(path string) error {
	f, err := os.OpenFile(path, os.O_RDWR|os.O_CREATE, 0o600)
	if err != nil {
		return err
	}
	defer f.Close()
	info, err := f.Stat()
	if err != nil || info.Mode().Perm() == 0o600 {
		return err
	}
	return f.Chmod(0o600)
}
