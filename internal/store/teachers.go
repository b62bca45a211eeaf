package store

import (
	"errors"
	"fmt"
	"os"
	"time"

	"gorm.io/gorm"

	"unitbloom/internal/people"
)

// Teacher is one who signs in. On a server of one's own machine there is none, and what is kept
// there is nobody's: its owner is empty. It becomes the first teacher's.
type Teacher struct {
	ID   string `json:"id" gorm:"primaryKey"`
	Name string `json:"name"`
	// Folded is the name as it is told from others: no two teachers have one.
	Folded string `json:"-"`
	// Hash is what is kept of the passphrase.
	Hash string `json:"-"`
	// Lead says that she may invite others and end their accounts.
	Lead      bool      `json:"lead"`
	CreatedAt time.Time `json:"createdAt"`
}

// Session is a browser in which a teacher has signed in. Token is kept hashed; ID tells one from
// another and lets nobody in.
type Session struct {
	Token     string    `json:"-" gorm:"primaryKey"`
	TeacherID string    `json:"-"`
	ID        string    `json:"id"`
	Browser   string    `json:"browser"`
	CreatedAt time.Time `json:"createdAt"`
	SeenAt    time.Time `json:"seenAt"`
}

// Link lets one who has it make an account, or set a passphrase anew, once. Token is kept hashed.
type Link struct {
	Token string `gorm:"primaryKey"`
	// TeacherID is whose passphrase it sets; empty where it makes an account.
	TeacherID string
	// Lead says that the account may invite others.
	Lead   bool
	MadeBy string
	EndsAt time.Time
}

// How long sessions and links last: a session that nobody uses, one that is used, a link.
const (
	SessionIdle = 3 * time.Hour
	SessionLife = 24 * time.Hour
	LinkLife    = 7 * 24 * time.Hour
)

// seenEvery is how often it is noted that a session was used.
const seenEvery = 5 * time.Minute

// The errors of accounts that callers tell apart.
var (
	ErrNoTeacher = errors.New("there is no such teacher")
	ErrNoSession = errors.New("nobody is signed in")
	ErrNoLink    = errors.New("this link is used up, too old, or not of this server")
	ErrTeacher   = errors.New("another teacher has this name")
	ErrLastLead  = errors.New("nobody else may invite teachers")
)

// Teachers lists all, by name.
func (s *Store) Teachers() ([]Teacher, error) {
	list := []Teacher{}
	return list, s.read.Order("folded, id").Find(&list).Error
}

// Teacher is one of them.
func (s *Store) Teacher(id string) (Teacher, error) {
	var t Teacher
	return t, orElse(s.read.Where("id = ?", id).Take(&t).Error, ErrNoTeacher)
}

// TeacherNamed is the teacher with a name, however it is written.
func (s *Store) TeacherNamed(name string) (Teacher, error) {
	var t Teacher
	return t, orElse(s.read.Where("folded = ?", people.Folded(name)).Take(&t).Error, ErrNoTeacher)
}

// MakeLink makes a link; its token, which is told once, comes back.
func (s *Store) MakeLink(l Link) (token string, err error) {
	token = people.NewToken()
	l.Token, l.EndsAt = people.Hashed(token), s.now().Add(LinkLife)
	return token, s.write.Create(&l).Error
}

// MakeLinkAt makes a link in the database at path, while a server runs or not: for the passphrase of
// the teacher with a name, or for an account where there is none.
func MakeLinkAt(path, name string, lead bool) (token string, err error) {
	if _, err := os.Stat(path); err != nil {
		return "", fmt.Errorf("there is no database at %q. Name it with --data", path)
	}
	db, err := connect(path, forWriting, 1)
	if err != nil {
		return "", explain(path, err)
	}
	defer closeDB(db)
	if !db.Migrator().HasTable(&Link{}) {
		return "", fmt.Errorf("%q is no database of this version. Start the server once, then try again", path)
	}
	there := &Store{write: db, read: db, now: time.Now}
	l := Link{Lead: lead}
	if name != "" {
		t, err := there.TeacherNamed(name)
		if err != nil {
			return "", fmt.Errorf("%q: %w", name, err)
		}
		l.TeacherID = t.ID
	}
	return there.MakeLink(l)
}

// LinkOf is the link of a token, while it can be used, and the teacher whose passphrase it sets,
// if it is for one who is there.
func (s *Store) LinkOf(token string) (Link, Teacher, error) {
	l, err := s.linkOf(s.read, token)
	if err != nil || l.TeacherID == "" {
		return l, Teacher{}, err
	}
	t, err := s.Teacher(l.TeacherID)
	return l, t, err
}

func (s *Store) linkOf(tx *gorm.DB, token string) (Link, error) {
	var l Link
	err := tx.Where("token = ? AND ends_at > ?", people.Hashed(token), s.now()).Take(&l).Error
	return l, orElse(err, ErrNoLink)
}

// UseLink uses a link up: it makes the account that it is for, or sets its passphrase, which ends
// the sessions of whoever had the old one. The first account takes what was nobody's.
func (s *Store) UseLink(token, name, hash string) (Teacher, error) {
	var t Teacher
	err := s.write.Transaction(func(tx *gorm.DB) error {
		l, err := s.linkOf(tx, token)
		if err != nil {
			return err
		}
		if err := tx.Where("token = ?", l.Token).Delete(&Link{}).Error; err != nil {
			return err
		}
		if l.TeacherID != "" {
			if err := orElse(tx.Where("id = ?", l.TeacherID).Take(&t).Error, ErrNoTeacher); err != nil {
				return err
			}
			return s.setPassphrase(tx, t.ID, hash, "")
		}
		var others, named int64
		folded := people.Folded(name)
		err = errors.Join(tx.Model(&Teacher{}).Count(&others).Error,
			tx.Model(&Teacher{}).Where("folded = ?", folded).Count(&named).Error)
		if err == nil && named > 0 {
			err = ErrTeacher
		}
		if err != nil {
			return err
		}
		t = Teacher{ID: people.NewToken(), Name: name, Folded: folded, Hash: hash, Lead: l.Lead || others == 0,
			CreatedAt: s.now()}
		if err := tx.Create(&t).Error; err != nil || others > 0 {
			return err
		}
		// Other links to the first account would make a second one that may do as much.
		return errors.Join(tx.Where("made_by = ''").Delete(&Link{}).Error, give(tx, "", t.ID))
	})
	s.wrote()
	return t, err
}

// give makes what one teacher has another's.
func give(tx *gorm.DB, from, to string) error {
	return errors.Join(
		tx.Unscoped().Model(&Row{}).Where("owner = ?", from).UpdateColumn("owner", to).Error,
		tx.Model(&Class{}).Where("owner = ?", from).UpdateColumn("owner", to).Error,
	)
}

// TakeOver gives what was made without signing in to the first teacher, if there is one.
func (s *Store) TakeOver() error {
	var first Teacher
	err := s.read.Order("created_at, id").Take(&first).Error
	if err = orElse(err, ErrNoTeacher); errors.Is(err, ErrNoTeacher) {
		return nil
	} else if err != nil {
		return err
	}
	defer s.wrote()
	return s.write.Transaction(func(tx *gorm.DB) error { return give(tx, "", first.ID) })
}

// SetPassphrase sets a teacher's passphrase; her sessions end but the one of a token.
func (s *Store) SetPassphrase(id, hash, but string) error {
	return s.write.Transaction(func(tx *gorm.DB) error { return s.setPassphrase(tx, id, hash, people.Hashed(but)) })
}

func (s *Store) setPassphrase(tx *gorm.DB, id, hash, but string) error {
	return errors.Join(
		tx.Model(&Teacher{}).Where("id = ?", id).UpdateColumn("hash", hash).Error,
		tx.Where("teacher_id = ? AND token <> ?", id, but).Delete(&Session{}).Error,
		tx.Where("teacher_id = ?", id).Delete(&Link{}).Error,
	)
}

// EndTeacher ends an account: what she had is another's from now on. One who may invite stays.
func (s *Store) EndTeacher(id, heir string) error {
	defer s.wrote()
	return s.write.Transaction(func(tx *gorm.DB) error {
		var leads int64
		if err := tx.Model(&Teacher{}).Where("lead AND id <> ?", id).Count(&leads).Error; err != nil {
			return err
		}
		if leads == 0 || id == heir {
			return ErrLastLead
		}
		done := tx.Where("id = ?", id).Delete(&Teacher{})
		if done.Error == nil && done.RowsAffected == 0 {
			return ErrNoTeacher
		}
		return errors.Join(done.Error,
			tx.Where("teacher_id = ?", id).Delete(&Session{}).Error,
			tx.Where("teacher_id = ? OR made_by = ?", id, id).Delete(&Link{}).Error,
			give(tx, id, heir))
	})
}

// Begin begins a session of a teacher's in a browser; its token, which is told once, comes back.
func (s *Store) Begin(teacher, browser string) (token string, err error) {
	token = people.NewToken()
	now := s.now()
	return token, s.write.Create(&Session{Token: people.Hashed(token), TeacherID: teacher, ID: people.NewToken()[:16],
		Browser: browser, CreatedAt: now, SeenAt: now}).Error
}

// Sessions are those of a teacher's that go on, the one that was used last first.
func (s *Store) Sessions(teacher string) ([]Session, error) {
	list := []Session{}
	return list, s.going(s.read).Where("teacher_id = ?", teacher).Order("seen_at DESC, id").Find(&list).Error
}

// going are the sessions that go on.
func (s *Store) going(db *gorm.DB) *gorm.DB {
	now := s.now()
	return db.Model(&Session{}).Where("seen_at > ? AND created_at > ?", now.Add(-SessionIdle), now.Add(-SessionLife))
}

// SessionOf is the session of a token with its teacher, while it lasts; that it was used is noted.
func (s *Store) SessionOf(token string) (Session, Teacher, error) {
	var session Session
	found := s.going(s.read).Where("token = ?", people.Hashed(token)).Take(&session).Error
	if err := orElse(found, ErrNoSession); err != nil {
		return session, Teacher{}, err
	}
	now := s.now()
	t, err := s.Teacher(session.TeacherID)
	if err == nil && now.Sub(session.SeenAt) > seenEvery {
		err = s.write.Model(&Session{}).Where("token = ?", session.Token).UpdateColumn("seen_at", now).Error
	}
	return session, t, err
}

// Lasts reports whether the session of a token goes on; that it is asked uses it not.
func (s *Store) Lasts(token string) bool {
	var n int64
	err := s.going(s.read).Where("token = ?", people.Hashed(token)).Count(&n).Error
	return err == nil && n > 0
}

// End ends the session of a token.
func (s *Store) End(token string) error {
	return s.write.Where("token = ?", people.Hashed(token)).Delete(&Session{}).Error
}

// EndOne ends one session of a teacher's.
func (s *Store) EndOne(teacher, id string) error {
	done := s.write.Where("teacher_id = ? AND id = ?", teacher, id).Delete(&Session{})
	if done.Error == nil && done.RowsAffected == 0 {
		return ErrNoSession
	}
	return done.Error
}

// EndAll ends all sessions of a teacher's.
func (s *Store) EndAll(teacher string) error {
	return s.write.Where("teacher_id = ?", teacher).Delete(&Session{}).Error
}

// EndAllBut ends the sessions of all teachers but the one of a token.
func (s *Store) EndAllBut(but string) error {
	return s.write.Where("token <> ?", people.Hashed(but)).Delete(&Session{}).Error
}

// sweepSessions removes sessions and links that have ended.
func (s *Store) sweepSessions() error {
	return errors.Join(
		s.write.Where("token NOT IN (?)", s.going(s.write).Select("token")).Delete(&Session{}).Error,
		s.write.Where("ends_at < ?", s.now()).Delete(&Link{}).Error,
	)
}

// How a lesson or a class is shared with the school.
const (
	SharedToRead = "read"
	SharedToCopy = "copy"
)

// Kept says whose a lesson or a class is, and how it is shared with the school.
type Kept struct {
	Owner  string
	Shared string
}

// LessonKept tells it of a lesson or a showing, of one that can be brought back too.
func (s *Store) LessonKept(id string) (Kept, error) {
	var k Kept
	return k, notFound(s.read.Unscoped().Model(&Row{}).Select("owner", "shared").Where("id = ?", id).Take(&k).Error)
}

// ShareLesson shares a lesson with the school to read or to copy, or with nobody.
func (s *Store) ShareLesson(id, shared string) error {
	return s.touchOne(s.write.Model(&Row{}).Where("id = ? AND showing_of = ''", id).UpdateColumn("shared", shared))
}
