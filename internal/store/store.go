// Package store keeps lessons in SQLite through GORM. One connection writes,
// a pool reads; an acknowledged save is on the disk.
package store

import (
	"encoding/json"
	"errors"
	"fmt"
	"net/url"
	"os"
	"sync"
	"time"

	"github.com/glebarez/sqlite"
	"github.com/go-gormigrate/gormigrate/v2"
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
)

// Row is a lesson as it is kept.
type Row struct {
	ID        string `gorm:"primaryKey"`
	Title     string
	Objective string
	Scenes    int
	Doc       []byte
	Rev       int
	CreatedAt time.Time
	UpdatedAt time.Time
	DeletedAt gorm.DeletedAt `gorm:"index"`
}

// TableName is "lessons".
func (Row) TableName() string { return "lessons" }

// Operation is a save that was made: the same one again does nothing.
type Operation struct {
	ID        string `gorm:"primaryKey"`
	LessonID  string `gorm:"index"`
	Rev       int
	CreatedAt time.Time `gorm:"index"`
}

// Store is an open database.
type Store struct {
	path          string
	write, read   *gorm.DB
	mu            sync.Mutex
	decoded       map[string]decodedLesson
	now           func() time.Time
	decodedBudget int
}

// decodedLesson spares decoding a lesson again for each of its saves.
type decodedLesson struct {
	rev int
	doc lesson.Lesson
}

var migrations = []*gormigrate.Migration{{
	ID:      "2026-11-24-lessons",
	Migrate: func(tx *gorm.DB) error { return tx.AutoMigrate(&Row{}, &Operation{}) },
	Rollback: func(tx *gorm.DB) error {
		return tx.Migrator().DropTable(&Operation{}, &Row{})
	},
}}

// Open opens the database file, makes it when it is not there, and brings it up
// to date; before a migration the file is copied beside itself.
func Open(path string) (*Store, error) {
	write, err := connect(path, "", 1)
	if err != nil {
		return nil, fmt.Errorf("the database %q does not open: %w", path, err)
	}
	s := &Store{path: path, write: write, decoded: map[string]decodedLesson{}, now: time.Now, decodedBudget: 64}
	if err := s.migrate(); err != nil {
		return nil, fmt.Errorf("the database %q cannot be brought up to date: %w", path, err)
	}
	if s.read, err = connect(path, "&_pragma=query_only(1)", 4); err != nil {
		return nil, err
	}
	return s, s.sweep()
}

func connect(path, extra string, conns int) (*gorm.DB, error) {
	dsn := (&url.URL{Scheme: "file", Opaque: url.PathEscape(path)}).String() +
		"?_pragma=busy_timeout(5000)&_pragma=journal_mode(WAL)&_pragma=synchronous(FULL)&_pragma=foreign_keys(1)&_txlock=immediate" + extra
	db, err := gorm.Open(sqlite.Open(dsn), &gorm.Config{Logger: logger.Discard, SkipDefaultTransaction: true})
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

// migrate copies the file before the first migration that has yet to run.
func (s *Store) migrate() error {
	var done []string
	if s.write.Migrator().HasTable("migrations") {
		if err := s.write.Table("migrations").Pluck("id", &done).Error; err != nil {
			return err
		}
	}
	if len(done) > 0 && len(done) < len(migrations) {
		if err := s.Backup(fmt.Sprintf("%s.before-%s", s.path, migrations[len(done)].ID)); err != nil {
			return err
		}
	}
	return gormigrate.New(s.write, gormigrate.DefaultOptions, migrations).Migrate()
}

// sweep removes lessons deleted long ago, and operations too old to be sent
// again.
func (s *Store) sweep() error {
	before := s.now().Add(-KeepDeleted)
	if err := s.write.Unscoped().Where("deleted_at < ?", before).Delete(&Row{}).Error; err != nil {
		return err
	}
	return s.write.Where("created_at < ?", before).Delete(&Operation{}).Error
}

// Close closes the database.
func (s *Store) Close() error {
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
	return errors.Join(errs...)
}

// Backup writes a whole, consistent copy of the database to a new file. It
// refuses to overwrite.
func (s *Store) Backup(to string) error {
	if _, err := os.Stat(to); err == nil {
		return fmt.Errorf("%q is there already; a backup does not overwrite", to)
	}
	return s.write.Exec("VACUUM INTO ?", to).Error
}

// Line is one lesson of the shelf.
type Line struct {
	ID        string     `json:"id"`
	Title     string     `json:"title"`
	Objective string     `json:"objective"`
	Scenes    int        `json:"scenes"`
	Rev       int        `json:"rev"`
	UpdatedAt time.Time  `json:"updatedAt"`
	DeletedAt *time.Time `json:"deletedAt,omitempty"`
}

// List is the shelf, last changed first; deleted lists what can be brought back.
func (s *Store) List(deleted bool) ([]Line, error) {
	lines := []Line{}
	q := s.read.Model(&Row{}).Select("id", "title", "objective", "scenes", "rev", "updated_at", "deleted_at").Order("updated_at DESC, id")
	if deleted {
		q = q.Unscoped().Where("deleted_at IS NOT NULL")
	}
	return lines, q.Scan(&lines).Error
}

// Create keeps a new lesson under its id, at revision 1.
func (s *Store) Create(l lesson.Lesson) (rev int, err error) {
	doc, err := json.Marshal(l)
	if err != nil {
		return 0, err
	}
	row := Row{ID: l.ID, Title: l.Title, Objective: l.Objective, Scenes: len(l.Scenes), Doc: doc, Rev: 1, CreatedAt: s.now(), UpdatedAt: s.now()}
	return 1, s.write.Create(&row).Error
}

// Get is a lesson's document and revision, or ErrNotFound.
func (s *Store) Get(id string) (doc []byte, rev int, err error) {
	var row Row
	if err := s.read.Select("doc", "rev").Where("id = ?", id).Take(&row).Error; err != nil {
		return nil, 0, notFound(err)
	}
	return row.Doc, row.Rev, nil
}

func notFound(err error) error {
	if errors.Is(err, gorm.ErrRecordNotFound) {
		return ErrNotFound
	}
	return err
}

// Save is one save as it arrives.
type Save struct {
	Operation string        `json:"operation"`
	Base      int           `json:"base"`
	Edits     []lesson.Edit `json:"edits"`
}

// Save makes the edits on the lesson at the base revision and returns the new
// one. An operation that was made already does nothing and returns its
// revision. With a stale base it returns the present revision and ErrStale.
func (s *Store) Save(id string, save Save) (rev int, err error) {
	err = s.write.Transaction(func(tx *gorm.DB) error {
		var done []Operation
		if err := tx.Where("id = ?", save.Operation).Limit(1).Find(&done).Error; err != nil {
			return err
		}
		if len(done) > 0 {
			rev = done[0].Rev
			return nil
		}
		rev, err = s.saveIn(tx, id, save)
		return err
	})
	if err != nil {
		s.forget(id)
	}
	return rev, err
}

// forget drops what a save that did not commit may have remembered.
func (s *Store) forget(id string) {
	s.mu.Lock()
	defer s.mu.Unlock()
	delete(s.decoded, id)
}

// Done is the revision that an operation made, when it was made.
func (s *Store) Done(operation string) (rev int, done bool) {
	var op Operation
	err := s.read.Where("id = ?", operation).Take(&op).Error
	return op.Rev, err == nil
}

func (s *Store) saveIn(tx *gorm.DB, id string, save Save) (int, error) {
	var row Row
	if err := tx.Select("rev").Where("id = ?", id).Take(&row).Error; err != nil {
		return 0, notFound(err)
	}
	if row.Rev != save.Base {
		return row.Rev, ErrStale
	}
	l, err := s.document(tx, id, row.Rev)
	if err != nil {
		return row.Rev, err
	}
	for i, e := range save.Edits {
		if l, err = lesson.Apply(l, e); err != nil {
			return row.Rev, &EditError{i, err}
		}
	}
	doc, err := json.Marshal(l)
	if err != nil {
		return row.Rev, err
	}
	next := row.Rev + 1
	err = tx.Model(&Row{}).Where("id = ?", id).Updates(map[string]any{
		"title": l.Title, "objective": l.Objective, "scenes": len(l.Scenes), "doc": doc, "rev": next, "updated_at": s.now(),
	}).Error
	if err == nil {
		err = tx.Create(&Operation{ID: save.Operation, LessonID: id, Rev: next, CreatedAt: s.now()}).Error
	}
	if err != nil {
		return row.Rev, err
	}
	s.remember(id, decodedLesson{next, l})
	return next, nil
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

// document is the lesson at the revision, from memory or decoded anew.
func (s *Store) document(tx *gorm.DB, id string, rev int) (lesson.Lesson, error) {
	s.mu.Lock()
	known, ok := s.decoded[id]
	s.mu.Unlock()
	if ok && known.rev == rev {
		return known.doc, nil
	}
	var row Row
	if err := tx.Select("doc").Where("id = ?", id).Take(&row).Error; err != nil {
		return lesson.Lesson{}, err
	}
	return lesson.Decode(row.Doc)
}

// remember keeps the decoded lesson until a save of it fails or many others
// were remembered.
func (s *Store) remember(id string, d decodedLesson) {
	s.mu.Lock()
	defer s.mu.Unlock()
	if len(s.decoded) >= s.decodedBudget {
		clear(s.decoded)
	}
	s.decoded[id] = d
}

// Delete puts the lesson where Restore finds it for KeepDeleted.
func (s *Store) Delete(id string) error {
	return s.touchOne(s.write.Where("id = ?", id).Delete(&Row{}))
}

// Restore brings a deleted lesson back.
func (s *Store) Restore(id string) error {
	return s.touchOne(s.write.Unscoped().Model(&Row{}).Where("id = ? AND deleted_at IS NOT NULL", id).Update("deleted_at", nil))
}

func (s *Store) touchOne(tx *gorm.DB) error {
	if tx.Error == nil && tx.RowsAffected == 0 {
		return ErrNotFound
	}
	return tx.Error
}
