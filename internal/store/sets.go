package store

import (
	"encoding/json"
	"errors"
	"slices"
	"time"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"

	"unitbloom/core/lesson"
	"unitbloom/core/say"
	"unitbloom/core/task"
	"unitbloom/internal/people"
)

// Set is tasks in order, set for a class. What it was made from is kept, so that a child who
// comes later gets numbers of her own too.
type Set struct {
	ID      string `json:"id" gorm:"primaryKey"`
	ClassID string `json:"class"`
	Title   string `json:"title"`
	Source  Source `json:"-" gorm:"serializer:json"`
	// Tasks are those that all have; those of one's own are with the recipients.
	Tasks []task.Task `json:"-" gorm:"serializer:json"`
	Own   bool        `json:"own"`
	Help  string      `json:"help"`
	// Only are the children that it is set for; all of the class where there are none.
	Only      []string  `json:"only,omitempty" gorm:"serializer:json"`
	CreatedAt time.Time `json:"createdAt"`
	// StartsAt is from when it is there to be done, at once where it is not told; EndedAt is when
	// it ended, or will.
	StartsAt *time.Time `json:"startsAt,omitempty"`
	EndedAt  *time.Time `json:"endedAt,omitempty"`
}

// Runs reports whether a set is there to be done at a time.
func (s Set) Runs(at time.Time) bool { return !s.Waits(at) && !s.over(at) }

// Waits reports whether a set is not yet there to be done.
func (s Set) Waits(at time.Time) bool { return s.StartsAt != nil && s.StartsAt.After(at) }

func (s Set) over(at time.Time) bool { return s.EndedAt != nil && !s.EndedAt.After(at) }

// How a child is helped when something is not right yet.
const (
	HelpNone  = "none"
	HelpRight = "right"
	HelpHint  = "hint"
)

// IsFor reports whether a set is for a child.
func (s Set) IsFor(pupil string) bool { return len(s.Only) == 0 || slices.Contains(s.Only, pupil) }

// Source is what a set was made from: scenes, what is wanted of them, and the class's words.
type Source struct {
	Scenes []lesson.Scene `json:"scenes"`
	Wanted task.Wanted    `json:"wanted"`
	Words  say.Vocabulary `json:"words"`
}

// Recipient is a child with the tasks that she has of a set.
type Recipient struct {
	SetID   string      `gorm:"primaryKey"`
	PupilID string      `gorm:"primaryKey"`
	Tasks   []task.Task `gorm:"serializer:json"`
}

// Attempt is what a child handed in of one task, once. The last one that arrived counts.
type Attempt struct {
	ID      string      `json:"id" gorm:"primaryKey"`
	SetID   string      `json:"set"`
	PupilID string      `json:"pupil"`
	WithID  string      `json:"with,omitempty"`
	Task    int         `json:"task"`
	Answer  task.Answer `json:"answer" gorm:"serializer:json"`
	Right   bool        `json:"right"`
	// Late says that the set had ended before it arrived, Away for how many seconds its device
	// had waited for the network.
	Late bool `json:"late,omitempty"`
	Away int  `json:"away,omitempty"`
	// Trail is how it was laid, board after board: written once, and read by itself with TrailOf.
	Trail []task.Laid `json:"-" gorm:"serializer:json;->:false;<-:create"`
	// Digest tells the same hand-in sent again from another one.
	Digest string `json:"-"`
	// Core is the version that gave the verdict.
	Core string `json:"-"`
	// Back is what the teacher said when she gave it back; empty for one that was not.
	Back     string    `json:"back,omitempty"`
	HandedAt time.Time `json:"handedAt"`
}

// The errors of sets that callers tell apart.
var (
	ErrNoSet     = errors.New("there is no such set")
	ErrNoAttempt = errors.New("there is no such hand-in")
)

// MakeSet keeps a new set.
func (s *Store) MakeSet(set Set) (Set, error) {
	if _, err := s.Class(set.ClassID); err != nil {
		return set, err
	}
	set.CreatedAt = s.now()
	return set, s.write.Create(&set).Error
}

// Set is one of a class's.
func (s *Store) Set(id string) (Set, error) {
	var set Set
	return set, orElse(s.read.Where("id = ?", id).Take(&set).Error, ErrNoSet)
}

// Sets are those of a class, the newest first.
func (s *Store) Sets(class string) ([]Set, error) {
	list := []Set{}
	return list, s.read.Where("class_id = ?", class).Order("created_at DESC, id").Find(&list).Error
}

// SetsTurning are those that begin or end after one time and up to another.
func (s *Store) SetsTurning(after, upto time.Time) ([]Set, error) {
	var list []Set
	err := s.read.Where("starts_at > ? AND starts_at <= ? OR ended_at > ? AND ended_at <= ?", after, upto, after, upto).
		Find(&list).Error
	return list, err
}

// EndSet ends a set, or goes on with it.
func (s *Store) EndSet(id string, ended bool) (Set, error) {
	var at *time.Time
	if now := s.now(); ended {
		at = &now
	}
	if err := s.write.Model(&Set{}).Where("id = ?", id).Update("ended_at", at).Error; err != nil {
		return Set{}, err
	}
	return s.Set(id)
}

// DeleteSet removes a set with all that was handed in of it.
func (s *Store) DeleteSet(id string) error {
	return s.write.Transaction(func(tx *gorm.DB) error {
		done := tx.Where("id = ?", id).Delete(&Set{})
		if done.Error == nil && done.RowsAffected == 0 {
			return ErrNoSet
		}
		return errors.Join(done.Error,
			tx.Where("set_id = ?", id).Delete(&Attempt{}).Error,
			tx.Where("set_id = ?", id).Delete(&Recipient{}).Error)
	})
}

// TasksFor are the tasks that a child has of a set: everyone's, or her own, which are made when
// she first opens it and stay.
func (s *Store) TasksFor(set Set, pupil string) ([]task.Task, error) {
	if !set.Own {
		return set.Tasks, nil
	}
	var r Recipient
	err := s.read.Where("set_id = ? AND pupil_id = ?", set.ID, pupil).Take(&r).Error
	if !errors.Is(err, gorm.ErrRecordNotFound) {
		return r.Tasks, err
	}
	wanted := set.Source.Wanted
	wanted.Own, wanted.Seed = true, seedOf(set.ID, pupil)
	tasks, err := task.Sheet(set.Source.Scenes, wanted)
	if err != nil || len(tasks) < len(set.Tasks) {
		tasks = set.Tasks // there are no others like them
	}
	tasks = tasks[:len(set.Tasks)]
	r = Recipient{set.ID, pupil, tasks}
	err = s.write.Clauses(clause.OnConflict{DoNothing: true}).Create(&r).Error
	return tasks, err
}

// seedOf is a child's own, the same whenever it is asked for.
func seedOf(set, pupil string) uint64 {
	var seed uint64
	for _, b := range []byte(people.Hashed(set + "/" + pupil))[:12] {
		seed = seed*31 + uint64(b)
	}
	return seed
}

// HandIn keeps an attempt. The same again tells what was kept; another under its id is ErrOther.
func (s *Store) HandIn(a Attempt) (Attempt, error) {
	err := s.together(func(tx *gorm.DB) error {
		var was []Attempt
		if err := tx.Where("id = ?", a.ID).Limit(1).Find(&was).Error; err != nil {
			return err
		}
		if len(was) > 0 {
			if was[0].Digest != a.Digest {
				return ErrOther
			}
			a = was[0]
			return nil
		}
		var set Set
		if err := orElse(tx.Select("id", "ended_at").Where("id = ?", a.SetID).Take(&set).Error, ErrNoSet); err != nil {
			return err
		}
		a.HandedAt = s.now()
		a.Late = set.over(a.HandedAt)
		return tx.Create(&a).Error
	}, func(error) {})
	return a, err
}

// Attempts are what was handed in of a set, in the order in which it arrived.
func (s *Store) Attempts(set string) ([]Attempt, error) {
	list := []Attempt{}
	return list, s.read.Where("set_id = ?", set).Order("handed_at, rowid").Find(&list).Error
}

// Turnout is how many children handed in something of each set of a class: both who share a device.
func (s *Store) Turnout(class string) (map[string]int, error) {
	var rows []struct {
		SetID    string
		Children int
	}
	err := s.read.Raw("SELECT set_id, COUNT(*) AS children FROM ("+
		"SELECT set_id, pupil_id FROM attempts UNION SELECT set_id, with_id FROM attempts WHERE with_id <> ''"+
		") JOIN sets ON sets.id = set_id WHERE class_id = ? GROUP BY set_id", class).Scan(&rows).Error
	out := map[string]int{}
	for _, r := range rows {
		out[r.SetID] = r.Children
	}
	return out, err
}

// AttemptsBy are what a child handed in of a set.
func (s *Store) AttemptsBy(set, pupil string) ([]Attempt, error) {
	list := []Attempt{}
	return list, s.read.Where("set_id = ? AND (pupil_id = ? OR with_id = ?)", set, pupil, pupil).
		Order("handed_at, rowid").Find(&list).Error
}

// Attempt is one hand-in.
func (s *Store) Attempt(id string) (Attempt, error) {
	var a Attempt
	return a, orElse(s.read.Where("id = ?", id).Take(&a).Error, ErrNoAttempt)
}

// TrailOf is how a hand-in was laid; nothing where that was not kept.
func (s *Store) TrailOf(id string) ([]task.Laid, error) {
	var kept struct{ Trail []byte }
	err := s.read.Table("attempts").Select("trail").Where("id = ?", id).Take(&kept).Error
	if err != nil || len(kept.Trail) == 0 {
		return nil, orElse(err, ErrNoAttempt)
	}
	var trail []task.Laid
	return trail, json.Unmarshal(kept.Trail, &trail)
}

// GiveBack gives a hand-in back with a word.
func (s *Store) GiveBack(id, word string) error {
	done := s.write.Model(&Attempt{}).Where("id = ?", id).Update("back", word)
	if done.Error == nil && done.RowsAffected == 0 {
		return ErrNoAttempt
	}
	return done.Error
}

const ticketSetting = "ticket key"

// TicketKey is what tickets are made with. It is made once, and stays with the database, so
// that what was opened before a restart can be handed in after it.
func (s *Store) TicketKey() ([]byte, error) {
	value, err := json.Marshal(people.NewToken() + people.NewToken())
	if err != nil {
		return nil, err
	}
	err = s.write.Clauses(clause.OnConflict{DoNothing: true}).Create(&Setting{ticketSetting, value, s.now()}).Error
	if err != nil {
		return nil, err
	}
	var row Setting
	return row.Value, s.write.Where("name = ?", ticketSetting).Take(&row).Error
}
