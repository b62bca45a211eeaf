package store

import (
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"log/slog"
	"time"

	"gorm.io/gorm"

	"unitbloom/core/form"
	"unitbloom/core/lesson"
	"unitbloom/core/method"
)

var discard = slog.New(slog.DiscardHandler)

// Has reports whether there is such a lesson, deleted ones apart.
func (s *Store) Has(id string) bool {
	s.mu.Lock()
	_, ok := s.decoded[id]
	s.mu.Unlock()
	if ok {
		return true
	}
	var n int64
	return s.read.Model(&Row{}).Where("id = ?", id).Count(&n).Error == nil && n > 0
}

// Rev is the revision of a lesson, or ErrNotFound.
func (s *Store) Rev(id string) (int, error) {
	var row Row
	err := s.read.Select("rev").Where("id = ?", id).Take(&row).Error
	return row.Rev, notFound(err)
}

// Create keeps a teacher's new lesson under its id, at revision 1. The same one again does
// nothing and tells its present revision; another one under a used id is ErrOther.
func (s *Store) Create(owner string, l lesson.Lesson) (rev int, err error) {
	return s.CreateAll(owner, []lesson.Lesson{l})
}

// CreateAll keeps new lessons, all of them or none. The last revision comes back.
func (s *Store) CreateAll(owner string, list []lesson.Lesson) (rev int, err error) {
	return s.create(owner, list, "")
}

// CreateShowing keeps a teacher's showing of a lesson, as Create keeps a lesson. Of two that a
// device made without the network, the showing may come before its lesson.
func (s *Store) CreateShowing(owner, of string, l lesson.Lesson) (rev int, err error) {
	return s.create(owner, []lesson.Lesson{l}, of)
}

// Showing is one presenting of a lesson that was kept.
type Showing struct {
	ID        string    `json:"id"`
	CreatedAt time.Time `json:"createdAt"`
	UpdatedAt time.Time `json:"updatedAt"`
}

// Showings are a teacher's of a lesson, the last begun first.
func (s *Store) Showings(owner, of string) ([]Showing, error) {
	if !s.Has(of) {
		return nil, ErrNotFound
	}
	list := []Showing{}
	err := s.read.Model(&Row{}).Select("id", "created_at", "updated_at").
		Where("showing_of = ? AND (owner = ? OR ? = '')", of, owner, owner).
		Order("created_at DESC, id").Scan(&list).Error
	return list, err
}

func (s *Store) create(owner string, list []lesson.Lesson, showingOf string) (rev int, err error) {
	fresh := map[string]lesson.Lesson{}
	err = s.write.Transaction(func(tx *gorm.DB) error {
		for _, l := range list {
			doc, err := form.JSON(l)
			if err != nil {
				return err
			}
			sum := sha256.Sum256(doc)
			made := hex.EncodeToString(sum[:])
			var there []Row
			err = tx.Unscoped().Select("rev", "made", "showing_of", "owner").Where("id = ?", l.ID).Limit(1).Find(&there).Error
			if err != nil {
				return err
			}
			if len(there) > 0 {
				was := there[0]
				if rev = was.Rev; was.Made != made || was.ShowingOf != showingOf || owner != "" && was.Owner != owner {
					return ErrOther
				}
				continue
			}
			rev = 1
			now := s.now()
			row := Row{ID: l.ID, Title: l.Title, Objective: l.Objective, Scenes: len(l.Scenes), Rev: 1, Made: made,
				ShowingOf: showingOf, Owner: owner, Topics: topics(l), Found: method.FoundBy(l), OpenedAt: now,
				CreatedAt: now, UpdatedAt: now}
			if err := errors.Join(tx.Create(&row).Error, tx.Create(&Document{l.ID, 1, doc}).Error); err != nil {
				return err
			}
			fresh[l.ID] = l
		}
		return nil
	})
	s.wrote()
	if err != nil {
		return rev, err
	}
	for id, l := range fresh {
		s.remember(id, decodedLesson{1, l})
	}
	return rev, nil
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
		doc, err = form.JSON(l)
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
		return lesson.Lesson{}, fmt.Errorf("lesson %s: %d operations since revision %d do not lead to %d", id, len(since),
			whole.Rev, rev)
	}
	for _, op := range since {
		if l, err = s.again(l, op); err != nil {
			return lesson.Lesson{}, fmt.Errorf("lesson %s, revision %d: %w", id, op.Rev, err)
		}
	}
	return l, nil
}

// again makes an operation that was kept. Both the snapshot and the edits are
// brought to the present format first. An edit that no longer fits, as one of the
// time before boards were held to their range, is left out and told in the log: the
// lesson opens without it.
func (s *Store) again(l lesson.Lesson, op Operation) (lesson.Lesson, error) {
	raw, err := lesson.UpgradeEdits(max(op.Format, 1), op.Edits)
	if err != nil {
		return l, err
	}
	var edits []lesson.Edit
	if err := json.Unmarshal(raw, &edits); err != nil {
		return l, err
	}
	for i, e := range edits {
		next, err := lesson.Redo(l, e)
		if err != nil {
			s.log.Error("an edit that was kept no longer fits and is left out", "lesson", op.LessonID, "rev", op.Rev, "edit", i,
				"error", err)
			continue
		}
		l = next
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

// forget drops what a save that did not commit may have remembered.
func (s *Store) forget(id string) {
	s.mu.Lock()
	defer s.mu.Unlock()
	delete(s.decoded, id)
}

// Delete puts the lesson where Restore finds it for KeepDeleted.
func (s *Store) Delete(id string) error {
	s.forget(id)
	return s.touchOne(s.write.Where("id = ?", id).Delete(&Row{}))
}

// Restore brings a deleted lesson back.
func (s *Store) Restore(id string) error {
	return s.touchOne(s.write.Unscoped().Model(&Row{}).Where("id = ? AND deleted_at IS NOT NULL", id).Update("deleted_at",
		nil))
}

func (s *Store) touchOne(tx *gorm.DB) error {
	s.wrote()
	if tx.Error == nil && tx.RowsAffected == 0 {
		return ErrNotFound
	}
	return tx.Error
}
