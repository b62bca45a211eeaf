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
}

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
