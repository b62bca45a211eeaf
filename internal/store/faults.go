package store

import (
	"errors"
	"fmt"
	"io/fs"
	"os"
	"path/filepath"
	"strings"
	"syscall"

	"gorm.io/gorm"
)

// What may be wrong with a database or its disk. Callers tell them apart; explain
// makes sentences of them.
var (
	ErrFull     = errors.New("the disk is full")
	ErrReadOnly = errors.New("the database cannot be written")
	ErrDamaged  = errors.New("the database is damaged")
	ErrNewer    = errors.New("the database is from a newer version")
	errNoDB     = errors.New("this is not a database of Unit Bloom")
)

// SQLite's codes, of which the low byte is the kind of fault.
const (
	codeIOErr     = 10
	codeCorrupt   = 11
	codeFull      = 13
	codeCantOpen  = 14
	codeReadOnly  = 8
	codeNotADB    = 26
	codePermitted = 3
	codeIOWrite   = codeIOErr | 3<<8
	codeIOSync    = codeIOErr | 4<<8
	codeIOTrunc   = codeIOErr | 6<<8
	codeIOShm     = codeIOErr | 19<<8
)

// Kind is one of the faults above that an error comes from, or nil.
func Kind(err error) error {
	for _, known := range []error{ErrFull, ErrReadOnly, ErrDamaged, ErrNewer, errNoDB} {
		if errors.Is(err, known) {
			return known
		}
	}
	if errors.Is(err, syscall.ENOSPC) || errors.Is(err, syscall.EFBIG) || errors.Is(err, syscall.EDQUOT) {
		return ErrFull
	}
	if errors.Is(err, syscall.EROFS) || errors.Is(err, fs.ErrPermission) {
		return ErrReadOnly
	}
	var coded interface{ Code() int }
	if !errors.As(err, &coded) {
		return nil
	}
	switch coded.Code() {
	case codeIOWrite, codeIOSync, codeIOTrunc, codeIOShm:
		return ErrFull
	}
	switch coded.Code() & 0xff {
	case codeFull:
		return ErrFull
	case codeReadOnly, codeCantOpen, codePermitted:
		return ErrReadOnly
	case codeCorrupt:
		return ErrDamaged
	case codeNotADB:
		return errNoDB
	}
	return nil
}

// explain is what is wrong with a database, and what would do, as a sentence.
func explain(path string, err error) error {
	switch Kind(err) {
	case ErrFull:
		return fmt.Errorf("%w: %q cannot grow. Make room on it, then start again", ErrFull, path)
	case ErrReadOnly:
		return fmt.Errorf("%w: %q, or the folder it is in, is read-only for this user. Change that, or name another "+
			"database with --data", ErrReadOnly, path)
	case ErrDamaged:
		return fmt.Errorf("%w (%s). `unitbloom restore FILE --data %s` puts a backup in its place and keeps this one "+
			"aside", ErrDamaged, findings(err), path)
	case ErrNewer:
		return fmt.Errorf("%w: %q. Start the newer Unit Bloom, or name another database with --data", err, path)
	case errNoDB:
		return fmt.Errorf("%q is not a database of Unit Bloom. Name another file with --data", path)
	}
	return fmt.Errorf("the database %q does not open: %w", path, err)
}

// notWritten says why a backup is not written, and what would do.
func notWritten(file string, err error) error {
	const why = "the backup %q cannot be written"
	folder := filepath.Dir(file)
	switch kind := Kind(err); {
	case errors.Is(err, fs.ErrNotExist):
		return fmt.Errorf(why+": there is no folder %q. Make it, or name another file", file, folder)
	case kind == ErrFull:
		return fmt.Errorf(why+": %w. Make room there, or name a file on another disk", file, ErrFull)
	case kind == ErrReadOnly:
		return fmt.Errorf(why+": the folder %q is read-only for this user. Name a file in another", file, folder)
	}
	return fmt.Errorf(why+": %w", file, err)
}

// noBackup says why a file is not put in the place of a database, and what would do.
func noBackup(file string, err error) error {
	const why = "the backup %q is not put back"
	if _, missing := os.Stat(file); errors.Is(missing, fs.ErrNotExist) {
		return fmt.Errorf(why+": there is no such file. Name a file that `unitbloom backup` wrote", file)
	}
	switch Kind(err) {
	case ErrDamaged:
		return fmt.Errorf(why+": %w (%s). Take an earlier one", file, ErrDamaged, findings(err))
	case ErrNewer:
		return fmt.Errorf(why+": %w. Put it back with the newer Unit Bloom", file, err)
	case errNoDB:
		return fmt.Errorf(why+": it is not a database of Unit Bloom. Name a file that `unitbloom backup` wrote", file)
	}
	return fmt.Errorf(why+": %w", file, explain(file, err))
}

// findings are what a check found, without the heads of its list.
func findings(err error) string {
	var found []string
	for line := range strings.Lines(strings.TrimPrefix(err.Error(), ErrDamaged.Error()+": ")) {
		if line = strings.TrimSpace(line); line != "" && !strings.HasPrefix(line, "***") {
			found = append(found, line)
		}
	}
	return strings.Join(found, "; ")
}

// quickCheck looks whether the file's pages and rows hang together.
func quickCheck(db *gorm.DB) error { return checkWith(db, "PRAGMA quick_check(3)") }

func fullCheck(db *gorm.DB) error { return checkWith(db, "PRAGMA integrity_check(5)") }

func checkWith(db *gorm.DB, pragma string) error {
	var lines []string
	if err := db.Raw(pragma).Scan(&lines).Error; err != nil {
		if Kind(err) == nil {
			return fmt.Errorf("%w: %w", ErrDamaged, err)
		}
		return err
	}
	if len(lines) == 1 && lines[0] == "ok" {
		return nil
	}
	return fmt.Errorf("%w: %s", ErrDamaged, strings.Join(lines, "\n"))
}
