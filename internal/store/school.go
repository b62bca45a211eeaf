package store

import (
	"encoding/json"
	"errors"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"

	"unitbloom/core/say"
)

// School is what is set once for all lessons of the school: a new one begins with it.
type School struct {
	Words say.Vocabulary `json:"words"`
	// KeepWork is for how many days what children did is kept; 0 until it is deleted.
	KeepWork int `json:"keepWork,omitempty"`
}

// MaxKeepWork is the longest time that children's work can be kept, in days, where one is set.
const MaxKeepWork = 10 * 366

const schoolSetting = "school"

// School is what the school has set; nothing at first.
func (s *Store) School() (School, error) {
	var row Setting
	err := s.read.Where("name = ?", schoolSetting).Take(&row).Error
	if errors.Is(err, gorm.ErrRecordNotFound) {
		return School{}, nil
	}
	var school School
	if err == nil {
		err = json.Unmarshal(row.Value, &school)
	}
	return school, err
}

// SetSchool sets it anew. Lessons that there are keep their own.
func (s *Store) SetSchool(school School) error {
	value, err := json.Marshal(school)
	if err != nil {
		return err
	}
	return s.write.Clauses(clause.OnConflict{UpdateAll: true}).
		Create(&Setting{schoolSetting, value, s.now()}).Error
}

// SweepWork removes what children did longer ago than the school keeps it, and sets that have
// ended as long ago.
func (s *Store) SweepWork() error {
	school, err := s.School()
	if err != nil || school.KeepWork <= 0 {
		return err
	}
	before := s.now().AddDate(0, 0, -school.KeepWork)
	return s.write.Transaction(func(tx *gorm.DB) error {
		ended := tx.Model(&Set{}).Select("id").Where("ended_at < ?", before)
		return errors.Join(
			tx.Where("handed_at < ?", before).Delete(&Attempt{}).Error,
			tx.Where("set_id IN (?)", ended).Delete(&Attempt{}).Error,
			tx.Where("set_id IN (?)", ended).Delete(&Recipient{}).Error,
			tx.Where("ended_at < ?", before).Delete(&Set{}).Error,
		)
	})
}
