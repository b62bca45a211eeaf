package store

import (
	"errors"
	"strings"
	"time"

	"gorm.io/gorm"

	"unitbloom/internal/people"
)

// Class is a teacher's group of children under a code.
type Class struct {
	ID   string `json:"id" gorm:"primaryKey"`
	Name string `json:"name"`
	Code string `json:"code"`
	// Open says that the code lets children in now.
	Open bool `json:"open"`
	// Owner is the teacher whose it is; Shared that the school may read in it.
	Owner  string `json:"-"`
	Shared string `json:"shared,omitempty"`
	// Keys says that a tile is opened with a child's picture key.
	Keys      bool      `json:"keys"`
	CreatedAt time.Time `json:"createdAt"`
}

// Pupil is a child of a class: a first name or nickname, and a picture to know her tile by.
type Pupil struct {
	ID      string `json:"id" gorm:"primaryKey"`
	ClassID string `json:"-"`
	Name    string `json:"name"`
	Sign    int    `json:"sign"`
	// PictureKey is for her and her teacher: it is not told with her tile.
	PictureKey string    `json:"-"`
	CreatedAt  time.Time `json:"-"`
}

// Seat is a device at which one or two children sit. Token is kept hashed.
type Seat struct {
	Token     string `gorm:"primaryKey"`
	ClassID   string
	PupilID   string
	WithID    string
	CreatedAt time.Time
}

// Signs is how many pictures there are to know tiles by.
const Signs = 48

// MostPupils is how many children a class has at most.
const MostPupils = 60

// The errors of classes that callers tell apart.
var (
	ErrNoClass   = errors.New("there is no such class")
	ErrNoPupil   = errors.New("there is no such child")
	ErrFullClass = errors.New("the class is full")
	ErrNamed     = errors.New("this name is there already")
)

// Classes lists those of a teacher and those that the school may read in, by name; all where
// nobody signs in.
func (s *Store) Classes(teacher string) ([]Class, error) {
	list := []Class{}
	return list, s.read.Where("owner = ? OR shared <> '' OR ? = ''", teacher, teacher).Order("name COLLATE NOCASE, id").
		Find(&list).Error
}

// Class is one of them.
func (s *Store) Class(id string) (Class, error) {
	var c Class
	return c, orElse(s.read.Where("id = ?", id).Take(&c).Error, ErrNoClass)
}

// ClassOf is the class of a code that lets children in.
func (s *Store) ClassOf(code string) (Class, error) {
	var c Class
	return c, orElse(s.read.Where("code = ? AND open", code).Take(&c).Error, ErrNoClass)
}

// orElse tells that a row is not there in the words of what it is of.
func orElse(err, missing error) error {
	if errors.Is(err, gorm.ErrRecordNotFound) {
		return missing
	}
	return err
}

// MakeClass keeps a teacher's new class with its children.
func (s *Store) MakeClass(owner, id, name string, names []string) (Class, error) {
	c := Class{ID: id, Owner: owner, Name: name, Code: people.NewCode(), CreatedAt: s.now()}
	err := s.write.Transaction(func(tx *gorm.DB) error {
		if err := tx.Create(&c).Error; err != nil {
			return err
		}
		return s.addPupils(tx, c.ID, names)
	})
	return c, err
}

// ClassChange is what is to be another of a class; what is nil stays.
type ClassChange struct {
	Name *string `json:"name"`
	// Open says whether the code lets in; NewCode makes another one.
	Open    *bool   `json:"open"`
	NewCode bool    `json:"newCode"`
	Shared  *string `json:"shared"`
	Keys    *bool   `json:"keys"`
}

// ChangeClass sets what is given of a class.
func (s *Store) ChangeClass(id string, to ClassChange) (Class, error) {
	changes := map[string]any{}
	if to.Name != nil {
		changes["name"] = *to.Name
	}
	if to.Open != nil {
		changes["open"] = *to.Open
	}
	if to.NewCode {
		changes["code"] = people.NewCode()
	}
	if to.Shared != nil {
		changes["shared"] = *to.Shared
	}
	if to.Keys != nil {
		changes["keys"] = *to.Keys
	}
	if len(changes) > 0 {
		if err := s.write.Model(&Class{}).Where("id = ?", id).Updates(changes).Error; err != nil {
			return Class{}, err
		}
	}
	return s.Class(id)
}

// DeleteClass removes a class with all that its children did, at once and for good.
func (s *Store) DeleteClass(id string) error {
	return s.write.Transaction(func(tx *gorm.DB) error {
		sets := tx.Model(&Set{}).Select("id").Where("class_id = ?", id)
		err := errors.Join(
			tx.Where("set_id IN (?)", sets).Delete(&Attempt{}).Error,
			tx.Where("set_id IN (?)", sets).Delete(&Recipient{}).Error,
			tx.Where("class_id = ?", id).Delete(&Set{}).Error,
			tx.Where("class_id = ?", id).Delete(&Seat{}).Error,
			tx.Where("class_id = ?", id).Delete(&Pupil{}).Error,
		)
		done := tx.Where("id = ?", id).Delete(&Class{})
		if err = errors.Join(err, done.Error); err == nil && done.RowsAffected == 0 {
			return ErrNoClass
		}
		return err
	})
}

// Pupils are the children of a class, in the order of their names.
func (s *Store) Pupils(class string) ([]Pupil, error) {
	list := []Pupil{}
	return list, s.read.Where("class_id = ?", class).Order("name COLLATE NOCASE, id").Find(&list).Error
}

// Pupil is a child of a class.
func (s *Store) Pupil(class, id string) (Pupil, error) {
	var p Pupil
	return p, orElse(s.read.Where("id = ? AND class_id = ?", id, class).Take(&p).Error, ErrNoPupil)
}

// AddPupils adds children; a name that is there already is left out.
func (s *Store) AddPupils(class string, names []string) error {
	if _, err := s.Class(class); err != nil {
		return err
	}
	return s.write.Transaction(func(tx *gorm.DB) error { return s.addPupils(tx, class, names) })
}

func (s *Store) addPupils(tx *gorm.DB, class string, names []string) error {
	var there []Pupil
	if err := tx.Where("class_id = ?", class).Find(&there).Error; err != nil {
		return err
	}
	known, used := map[string]bool{}, map[int]bool{}
	for _, p := range there {
		known[strings.ToLower(p.Name)], used[p.Sign%Signs] = true, true
	}
	sign := len(there)
	for _, name := range names {
		if known[strings.ToLower(name)] {
			continue
		}
		known[strings.ToLower(name)] = true
		if len(there) >= MostPupils {
			return ErrFullClass
		}
		// Neighbours in the list get pictures that are unlike: a step that meets all of them.
		for tries := 0; used[sign*7%Signs] && tries < Signs; tries++ {
			sign++
		}
		p := Pupil{ID: people.NewToken(), ClassID: class, Name: name, Sign: sign * 7 % Signs,
			PictureKey: people.NewPictureKey(), CreatedAt: s.now()}
		used[p.Sign] = true
		sign++
		if err := tx.Create(&p).Error; err != nil {
			return err
		}
		there = append(there, p)
	}
	return nil
}

// NewKey gives a child another picture key; with none, those of a class who have none.
func (s *Store) NewKey(class, id string) error {
	return s.write.Transaction(func(tx *gorm.DB) error {
		var list []Pupil
		err := tx.Where("class_id = ? AND (id = ? OR ? = '' AND picture_key = '')", class, id, id).Find(&list).Error
		if err != nil {
			return err
		}
		if id != "" && len(list) == 0 {
			return ErrNoPupil
		}
		for _, p := range list {
			err := tx.Model(&Pupil{}).Where("id = ?", p.ID).UpdateColumn("picture_key", people.NewPictureKey()).Error
			if err != nil {
				return err
			}
		}
		return nil
	})
}

// RenamePupil gives a child another name, which no other of the class has.
func (s *Store) RenamePupil(class, id, name string) error {
	return s.write.Transaction(func(tx *gorm.DB) error {
		var n int64
		err := tx.Model(&Pupil{}).Where("class_id = ? AND id <> ? AND name = ? COLLATE NOCASE", class, id,
			name).Count(&n).Error
		if err != nil {
			return err
		}
		if n > 0 {
			return ErrNamed
		}
		done := tx.Model(&Pupil{}).Where("id = ? AND class_id = ?", id, class).Update("name", name)
		if done.Error == nil && done.RowsAffected == 0 {
			return ErrNoPupil
		}
		return done.Error
	})
}

// DeletePupil removes a child with all that she did, at once and for good.
func (s *Store) DeletePupil(class, id string) error {
	if _, err := s.Pupil(class, id); err != nil {
		return err
	}
	return s.deletePupil(id)
}

func (s *Store) deletePupil(id string) error {
	return s.write.Transaction(func(tx *gorm.DB) error {
		done := tx.Where("id = ?", id).Delete(&Pupil{})
		if done.Error == nil && done.RowsAffected == 0 {
			return ErrNoPupil
		}
		return errors.Join(done.Error,
			tx.Where("pupil_id = ? OR with_id = ?", id, id).Delete(&Seat{}).Error,
			tx.Where("pupil_id = ?", id).Delete(&Attempt{}).Error,
			tx.Model(&Attempt{}).Where("with_id = ?", id).Update("with_id", "").Error,
			tx.Where("pupil_id = ?", id).Delete(&Recipient{}).Error,
		)
	})
}

// Sit gives a device a seat; whoever sat at these children's tiles has none any more.
func (s *Store) Sit(token, class, pupil, with string) error {
	return s.write.Transaction(func(tx *gorm.DB) error {
		if err := leave(tx, pupil, with); err != nil {
			return err
		}
		return tx.Create(&Seat{people.Hashed(token), class, pupil, with, s.now()}).Error
	})
}

// Leave takes the seats of children away.
func (s *Store) Leave(pupils ...string) error { return leave(s.write, pupils...) }

func leave(tx *gorm.DB, pupils ...string) error {
	var here []string
	for _, p := range pupils {
		if p != "" {
			here = append(here, p)
		}
	}
	return tx.Where("pupil_id IN ? OR with_id IN ?", here, here).Delete(&Seat{}).Error
}

// SeatOf is the seat of a device's token.
func (s *Store) SeatOf(token string) (Seat, error) {
	var seat Seat
	return seat, orElse(s.read.Where("token = ?", people.Hashed(token)).Take(&seat).Error, ErrNoPupil)
}

// Seats are the seats of a class.
func (s *Store) Seats(class string) ([]Seat, error) {
	var list []Seat
	return list, s.read.Where("class_id = ?", class).Find(&list).Error
}
