// Package store keeps lessons in SQLite through GORM. One connection writes,
// a pool reads; an acknowledged save is on the disk.
package store

import (
	"encoding/json"
	"errors"
	"fmt"
	"hash/crc32"
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

// Row is what the shelf knows of a lesson.
type Row struct {
	ID        string `gorm:"primaryKey"`
	Title     string
	Objective string
	Scenes    int
	Rev       int
	CreatedAt time.Time
	UpdatedAt time.Time
	DeletedAt gorm.DeletedAt `gorm:"index"`
}

// TableName is "lessons".
func (Row) TableName() string { return "lessons" }

// Document is a lesson whole, as it was at a revision. It is written anew after
// every SnapshotEvery operations; those since are replayed on it.
type Document struct {
	LessonID string `gorm:"primaryKey"`
	Rev      int
	Doc      []byte
}

// Operation is a save that was made: the same one again does nothing. Its edits
// led from the revision before to Rev.
type Operation struct {
	ID        string `gorm:"primaryKey"`
	LessonID  string `gorm:"index:by_lesson,priority:1"`
	Rev       int    `gorm:"index:by_lesson,priority:2"`
	Edits     []byte
	CreatedAt time.Time `gorm:"index"`
}

// SnapshotEvery is how many operations are replayed at most.
const SnapshotEvery = 50

// Store is an open database.
type Store struct {
	path          string
	write, read   *gorm.DB
	mu            sync.Mutex
	decoded       map[string]decodedLesson
	shelf         map[bool][]Line // lists as they were last read; gone with the next write
	now           func() time.Time
	decodedBudget int
	queue         chan *waiting
	closing       chan struct{}
	saved         chan struct{}
	once          sync.Once
	writes        int // how many writes there were, so that a list read meanwhile is not kept
}

// decodedLesson spares decoding a lesson again for each of its saves.
type decodedLesson struct {
	rev int
	doc lesson.Lesson
}

var migrations = []*gormigrate.Migration{{
	ID:      "2026-11-24-lessons",
	Migrate: func(tx *gorm.DB) error { return tx.AutoMigrate(&Row{}, &Document{}, &Operation{}) },
	Rollback: func(tx *gorm.DB) error {
		return tx.Migrator().DropTable(&Operation{}, &Document{}, &Row{})
	},
}}

// Open opens the database file, makes it when it is not there, and brings it up
// to date; before a migration the file is copied beside itself.
func Open(path string) (*Store, error) {
	write, err := connect(path, "&_txlock=immediate", 1)
	if err != nil {
		return nil, fmt.Errorf("the database %q does not open: %w", path, err)
	}
	s := &Store{path: path, write: write, decoded: map[string]decodedLesson{}, shelf: map[bool][]Line{}, now: time.Now, decodedBudget: 64,
		queue: make(chan *waiting), closing: make(chan struct{}), saved: make(chan struct{})}
	if err := s.migrate(); err != nil {
		return nil, fmt.Errorf("the database %q cannot be brought up to date: %w", path, err)
	}
	if s.read, err = connect(path, "&_txlock=deferred&_pragma=query_only(1)", 4); err != nil {
		return nil, err
	}
	go s.saveWaiting()
	return s, s.sweep()
}

func connect(path, extra string, conns int) (*gorm.DB, error) {
	dsn := (&url.URL{Scheme: "file", Opaque: url.PathEscape(path)}).String() +
		"?_pragma=busy_timeout(5000)&_pragma=journal_mode(WAL)&_pragma=synchronous(FULL)&_pragma=foreign_keys(1)" + extra
	db, err := gorm.Open(sqlite.Open(dsn), &gorm.Config{Logger: logger.Discard, SkipDefaultTransaction: true, PrepareStmt: true})
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
	return s.write.Transaction(func(tx *gorm.DB) error {
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
	var errs []error
	s.once.Do(func() { close(s.closing) })
	<-s.saved
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
	s.mu.Lock()
	known, ok := s.shelf[deleted]
	writes := s.writes
	s.mu.Unlock()
	if ok {
		return known, nil
	}
	lines := []Line{}
	q := s.read.Model(&Row{}).Select("id", "title", "objective", "scenes", "rev", "updated_at", "deleted_at").Order("updated_at DESC, id")
	if deleted {
		q = q.Unscoped().Where("deleted_at IS NOT NULL")
	}
	if err := q.Scan(&lines).Error; err != nil {
		return nil, err
	}
	s.mu.Lock()
	defer s.mu.Unlock()
	// A write meanwhile may not be in these lines.
	if writes == s.writes {
		s.shelf[deleted] = lines
	}
	return lines, nil
}

// wrote forgets the lists that a write has made old.
func (s *Store) wrote() {
	s.mu.Lock()
	defer s.mu.Unlock()
	s.writes++
	clear(s.shelf)
}

// Create keeps a new lesson under its id, at revision 1.
func (s *Store) Create(l lesson.Lesson) (rev int, err error) {
	doc, err := json.Marshal(l)
	if err != nil {
		return 0, err
	}
	row := Row{ID: l.ID, Title: l.Title, Objective: l.Objective, Scenes: len(l.Scenes), Rev: 1, CreatedAt: s.now(), UpdatedAt: s.now()}
	err = s.write.Transaction(func(tx *gorm.DB) error {
		return errors.Join(tx.Create(&row).Error, tx.Create(&Document{l.ID, 1, doc}).Error)
	})
	s.wrote()
	if err == nil {
		s.remember(l.ID, decodedLesson{1, l})
	}
	return 1, err
}

// Get is a lesson's document and revision, or ErrNotFound.
func (s *Store) Get(id string) (doc []byte, rev int, err error) {
	err = s.read.Transaction(func(tx *gorm.DB) error {
		var row Row
		if err := tx.Select("rev").Where("id = ?", id).Take(&row).Error; err != nil {
			return notFound(err)
		}
		l, err := s.document(tx, id, row.Rev)
		if err != nil {
			return err
		}
		rev = row.Rev
		doc, err = json.Marshal(l)
		return err
	})
	return doc, rev, err
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
	next := row.Rev + 1
	if err := s.keep(tx, id, next, l, save); err != nil {
		return row.Rev, err
	}
	s.remember(id, decodedLesson{next, l})
	return next, nil
}

// keep writes the operation, and now and then the whole document, so that a
// save of a large lesson is as quick as one of a small lesson.
func (s *Store) keep(tx *gorm.DB, id string, rev int, l lesson.Lesson, save Save) error {
	edits, err := json.Marshal(save.Edits)
	if err != nil {
		return err
	}
	err = errors.Join(
		tx.Create(&Operation{ID: save.Operation, LessonID: id, Rev: rev, Edits: edits, CreatedAt: s.now()}).Error,
		tx.Model(&Row{}).Where("id = ?", id).Updates(map[string]any{
			"title": l.Title, "objective": l.Objective, "scenes": len(l.Scenes), "rev": rev, "updated_at": s.now(),
		}).Error,
	)
	if err != nil || (rev+turnOf(id))%SnapshotEvery != 0 {
		return err
	}
	doc, err := json.Marshal(l)
	if err != nil {
		return err
	}
	return tx.Model(&Document{}).Where("lesson_id = ?", id).Updates(map[string]any{"rev": rev, "doc": doc}).Error
}

// turnOf spreads the whole documents of lessons that are saved in step over
// different saves.
func turnOf(id string) int { return int(crc32.ChecksumIEEE([]byte(id)) % SnapshotEvery) }

// EditError is an edit that the core refused; nothing was saved.
type EditError struct {
	Index int
	Err   error
}

// Error names the edit and the reason.
func (e *EditError) Error() string { return fmt.Sprintf("edits[%d].%v", e.Index, e.Err) }

// Unwrap is the core's reason.
func (e *EditError) Unwrap() error { return e.Err }

// document is the lesson at the revision, from memory or from the last whole
// document and the operations since.
func (s *Store) document(tx *gorm.DB, id string, rev int) (lesson.Lesson, error) {
	s.mu.Lock()
	known, ok := s.decoded[id]
	s.mu.Unlock()
	if ok && known.rev == rev {
		return known.doc, nil
	}
	var whole Document
	if err := tx.Where("lesson_id = ?", id).Take(&whole).Error; err != nil {
		return lesson.Lesson{}, err
	}
	l, err := lesson.Decode(whole.Doc)
	if err != nil {
		return lesson.Lesson{}, err
	}
	var since []Operation
	err = tx.Where("lesson_id = ? AND rev > ? AND rev <= ?", id, whole.Rev, rev).Order("rev").Find(&since).Error
	if err != nil {
		return lesson.Lesson{}, err
	}
	if len(since) != rev-whole.Rev {
		return lesson.Lesson{}, fmt.Errorf("lesson %s: %d operations since revision %d do not lead to %d", id, len(since), whole.Rev, rev)
	}
	for _, op := range since {
		if l, err = replay(l, op); err != nil {
			return lesson.Lesson{}, fmt.Errorf("lesson %s, revision %d: %w", id, op.Rev, err)
		}
	}
	return l, nil
}

func replay(l lesson.Lesson, op Operation) (lesson.Lesson, error) {
	var edits []lesson.Edit
	if err := json.Unmarshal(op.Edits, &edits); err != nil {
		return l, err
	}
	for _, e := range edits {
		var err error
		if l, err = lesson.Apply(l, e); err != nil {
			return l, err
		}
	}
	return l, nil
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
	s.wrote()
	if tx.Error == nil && tx.RowsAffected == 0 {
		return ErrNotFound
	}
	return tx.Error
}
