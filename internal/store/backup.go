package store

import (
	"errors"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"time"

	"gorm.io/gorm"
)

// Backed says what a backup holds.
type Backed struct {
	Path    string
	Lessons int64
	Bytes   int64
}

// Backup writes a whole, consistent copy of the database at path to a new file,
// while a server runs or not. It is written beside, checked, flushed and then given
// its name: under that name there is a good backup or none. It does not overwrite.
func Backup(path, to string) (Backed, error) {
	if info, err := os.Stat(path); errors.Is(err, os.ErrNotExist) {
		return Backed{}, fmt.Errorf("there is no database at %q. Name it with --data", path)
	} else if err == nil && info.IsDir() {
		return Backed{}, fmt.Errorf("%q is a folder, not a database. Name the file with --data", path)
	}
	db, err := connect(path, forCopying, 1)
	if err != nil {
		return Backed{}, explain(path, err)
	}
	defer closeDB(db)
	done, err := applied(db)
	if err == nil {
		err = known(done)
	}
	if err == nil && len(done) == 0 {
		err = errNoDB
	}
	if err != nil {
		return Backed{}, explain(path, err)
	}
	b, err := copyTo(db, to)
	// Where there is no room it is for the copy, which has said so.
	if kind := Kind(err); kind != nil && kind != ErrFull {
		return b, explain(path, err)
	}
	return b, err
}

// Backup is Backup of the open database.
func (s *Store) Backup(to string) (Backed, error) { return copyTo(s.write, to) }

// keepBefore is the copy before a migration. One that is there and sound, from a
// start that was killed, does.
func (s *Store) keepBefore(to string) error {
	if _, err := os.Stat(to); err == nil {
		if _, err := sound(to); err == nil {
			return nil
		}
		if err := os.Rename(to, fmt.Sprintf("%s.unsound-%d", to, s.now().Unix())); err != nil {
			return err
		}
	}
	_, err := copyTo(s.write, to)
	return err
}

func copyTo(db *gorm.DB, to string) (b Backed, err error) {
	if _, err := os.Stat(to); err == nil {
		return b, fmt.Errorf("%q is there already. A backup does not overwrite: name another file", to)
	}
	part, err := os.CreateTemp(filepath.Dir(to), "."+filepath.Base(to)+".unfinished-*")
	if err != nil {
		return b, notWritten(to, err)
	}
	_ = part.Close()
	defer os.Remove(part.Name())
	// SQLite writes into an empty file as into a new one.
	if err := db.Exec("VACUUM INTO ?", part.Name()).Error; err != nil {
		return b, notWritten(to, err)
	}
	lessons, err := sound(part.Name())
	if err != nil {
		return b, fmt.Errorf("the copy is not sound, so that no backup was made: %w", err)
	}
	size, err := flush(part.Name())
	if err != nil {
		return b, err
	}
	// A link does not overwrite, though another file may have come meanwhile.
	if err := os.Link(part.Name(), to); err != nil {
		if errors.Is(err, os.ErrExist) {
			return b, fmt.Errorf("%q is there already. A backup does not overwrite: name another file", to)
		}
		if err := os.Rename(part.Name(), to); err != nil {
			return b, err
		}
	}
	_, err = flush(filepath.Dir(to))
	return Backed{to, lessons, size}, err
}

// sound checks a database file that nothing writes to, and counts its lessons.
func sound(path string) (lessons int64, err error) {
	db, err := connect(path, fileAlone, 1)
	if err != nil {
		return 0, err
	}
	defer closeDB(db)
	done, err := applied(db)
	if err != nil {
		return 0, err
	}
	if len(done) == 0 {
		return 0, errNoDB
	}
	if err := known(done); err != nil {
		return 0, err
	}
	if err := fullCheck(db); err != nil {
		return 0, err
	}
	return lessons, db.Model(&Row{}).Count(&lessons).Error
}

func closeDB(db *gorm.DB) {
	if pool, err := db.DB(); err == nil {
		_ = pool.Close()
	}
}

// flush brings a file, or the names in a folder, to the disk.
func flush(path string) (size int64, err error) {
	f, err := os.Open(path)
	if err != nil {
		return 0, err
	}
	defer f.Close()
	info, err := f.Stat()
	if err != nil {
		return 0, err
	}
	return info.Size(), f.Sync()
}

// PutBack puts a backup in the place of the database at path, while no server runs.
// What was there before is kept aside, with its -wal, under the name that comes back.
func PutBack(from, path string) (b Backed, aside string, err error) {
	if b.Lessons, err = sound(from); err != nil {
		return b, "", noBackup(from, err)
	}
	lock, err := hold(path)
	if err != nil {
		return b, "", err
	}
	defer lock.Unlock()
	if err := finishRestore(path); err != nil {
		return b, "", err
	}
	if _, err := os.Stat(path); err == nil {
		aside = fmt.Sprintf("%s.before-restore-%s", path, time.Now().UTC().Format("20060102-150405.000"))
		for _, part := range []string{"-wal", ""} {
			if err := copyFile(path+part, aside+part); err != nil && !errors.Is(err, os.ErrNotExist) {
				return b, "", explain(path, err)
			}
		}
	}
	waiting := path + restoring
	if err := copyFile(from, waiting+".unfinished"); err != nil {
		return b, aside, explain(path, err)
	}
	if b.Bytes, err = flush(waiting + ".unfinished"); err != nil {
		return b, aside, err
	}
	b.Path = path
	if err := os.Rename(waiting+".unfinished", waiting); err != nil {
		return b, aside, err
	}
	if _, err := flush(filepath.Dir(path)); err != nil {
		return b, aside, err
	}
	return b, aside, finishRestore(path)
}

// restoring ends the name of a whole database that waits to take its place. From
// the moment that it has this name the restore is certain: whoever opens the
// database next finishes it.
const restoring = "-restoring"

// finishRestore brings a database that waits to its place. It may be killed at any
// point and begun again.
func finishRestore(path string) error {
	if _, err := os.Stat(path + restoring); errors.Is(err, os.ErrNotExist) {
		return nil
	}
	for _, part := range []string{"-wal", "-shm"} {
		if err := os.Remove(path + part); err != nil && !errors.Is(err, os.ErrNotExist) {
			return err
		}
	}
	if err := os.Rename(path+restoring, path); err != nil {
		return err
	}
	_, err := flush(filepath.Dir(path))
	return err
}

func copyFile(from, to string) error {
	in, err := os.Open(from)
	if err != nil {
		return err
	}
	defer in.Close()
	out, err := os.OpenFile(to, os.O_CREATE|os.O_TRUNC|os.O_WRONLY, 0o600)
	if err != nil {
		return err
	}
	_, err = io.Copy(out, in)
	return errors.Join(err, out.Sync(), out.Close())
}

// State is what check tells of a database.
type State struct {
	Lessons, Deleted, Operations int64
	// Bytes are all on the disk, with what is not yet written into the file itself.
	Bytes      int64
	Migrations []string
	InUse      bool
	// Unreadable are lessons that do not open, each with its reason.
	Unreadable []string
}

// Check looks through the whole database, reads every lesson in it and changes
// nothing. A fault of the file is the error.
func Check(path string) (State, error) {
	var st State
	info, err := os.Stat(path)
	if errors.Is(err, os.ErrNotExist) {
		return st, fmt.Errorf("there is no database at %q. Name it with --data", path)
	} else if err != nil || info.IsDir() {
		return st, fmt.Errorf("%q is a folder, not a database. Name the file with --data", path)
	}
	st.Bytes = info.Size()
	if ahead, err := os.Stat(path + "-wal"); err == nil {
		st.Bytes += ahead.Size()
	}
	lock, err := hold(path)
	if st.InUse = err != nil; err == nil {
		defer lock.Unlock()
	}
	db, err := connect(path, forReading, 1)
	if err != nil {
		return st, explain(path, err)
	}
	defer closeDB(db)
	if st.Migrations, err = applied(db); err == nil && len(st.Migrations) == 0 {
		err = errNoDB
	}
	if err == nil {
		err = errors.Join(known(st.Migrations), fullCheck(db))
	}
	if err != nil {
		return st, explain(path, err)
	}
	err = errors.Join(
		db.Model(&Row{}).Count(&st.Lessons).Error,
		db.Unscoped().Model(&Row{}).Where("deleted_at IS NOT NULL").Count(&st.Deleted).Error,
		db.Model(&Operation{}).Count(&st.Operations).Error,
	)
	if err != nil || len(st.Migrations) < len(migrations) {
		return st, err // an older database is brought up to date by the next start
	}
	reader := Store{path: path, read: db, decoded: map[string]decodedLesson{}, log: discard}
	var rows []Row
	if err := db.Unscoped().Select("id", "rev").Find(&rows).Error; err != nil {
		return st, explain(path, err)
	}
	for _, row := range rows {
		if _, err := reader.document(db, row.ID, row.Rev); err != nil {
			st.Unreadable = append(st.Unreadable, fmt.Sprintf("%s: %v", row.ID, err))
		}
	}
	return st, nil
}
