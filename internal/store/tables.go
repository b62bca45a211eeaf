package store

import (
	"fmt"
	"slices"
	"time"

	"github.com/go-gormigrate/gormigrate/v2"
	"gorm.io/gorm"
)

// Row is what the shelf knows of a lesson.
type Row struct {
	ID        string `gorm:"primaryKey"`
	Title     string
	Objective string
	Scenes    int
	Rev       int
	// Made is a digest of what the lesson was made from, so that making it again
	// under the same id is known to be the same act.
	Made string
	// ShowingOf is the lesson that this is a showing of; empty for a lesson of the shelf.
	ShowingOf string
	// Owner is the teacher whose it is; Shared how the school has it, empty for not.
	Owner  string
	Shared string
	// Topics are what it is about, parted by commas; Found is what a search goes through;
	// Folder is the teacher's own, empty for none; OpenedAt is when it was last opened.
	Topics    string
	Found     string
	Folder    string
	OpenedAt  time.Time
	CreatedAt time.Time
	UpdatedAt time.Time
	DeletedAt gorm.DeletedAt `gorm:"index"`
}

// TableName is "lessons".
func (Row) TableName() string { return "lessons" }

// Document is a lesson whole, as it was at a revision, in the format that was then
// written. It is written anew after every SnapshotEvery operations; those since are
// made again on it.
type Document struct {
	LessonID string `gorm:"primaryKey"`
	Rev      int
	Doc      []byte
}

// Operation is a save that was made: the same one again does nothing. Its edits, in
// the form of Format, led from the revision before to Rev.
type Operation struct {
	LessonID  string `gorm:"primaryKey;index:by_lesson,priority:1"`
	ID        string `gorm:"primaryKey"`
	Rev       int    `gorm:"index:by_lesson,priority:2"`
	Format    int
	Edits     []byte
	CreatedAt time.Time `gorm:"index"`
}

// Setting is one thing that is set for the whole school, as JSON under its name.
type Setting struct {
	Name      string `gorm:"primaryKey"`
	Value     []byte
	UpdatedAt time.Time
}

// SnapshotEvery is how many operations are made again at most.
const SnapshotEvery = 50

// migrations bring the tables to their present form, each once and whole. A
// published one is never changed: what follows is another.
var migrations = []*gormigrate.Migration{
	{ID: "2026-11-24-lessons", Migrate: func(tx *gorm.DB) error {
		return run(tx,
			"CREATE TABLE `lessons` (`id` text,`title` text,`objective` text,`scenes` integer,`rev` integer,`created_at` "+
				"datetime,`updated_at` datetime,`deleted_at` datetime,PRIMARY KEY (`id`))",
			"CREATE INDEX `idx_lessons_deleted_at` ON `lessons`(`deleted_at`)",
			"CREATE TABLE `documents` (`lesson_id` text,`rev` integer,`doc` blob,PRIMARY KEY (`lesson_id`))",
			"CREATE TABLE `operations` (`id` text,`lesson_id` text,`rev` integer,`edits` blob,`created_at` datetime,PRIMARY "+
				"KEY (`id`))",
			"CREATE INDEX `by_lesson` ON `operations`(`lesson_id`,`rev`)",
			"CREATE INDEX `idx_operations_created_at` ON `operations`(`created_at`)",
		)
	}},
	// An operation's id is unique within its lesson; its edits tell their format; a
	// lesson tells what it was made from.
	{ID: "2026-11-26-operations-of-lessons", Migrate: func(tx *gorm.DB) error {
		return run(tx,
			"ALTER TABLE `lessons` ADD COLUMN `made` text NOT NULL DEFAULT ''",
			"CREATE TABLE `operations_new` (`lesson_id` text,`id` text,`rev` integer,`format` integer,`edits` "+
				"blob,`created_at` datetime,PRIMARY KEY (`lesson_id`,`id`))",
			"INSERT INTO `operations_new` SELECT `lesson_id`,`id`,`rev`,1,`edits`,`created_at` FROM `operations`",
			"DROP TABLE `operations`",
			"ALTER TABLE `operations_new` RENAME TO `operations`",
			"CREATE INDEX `by_lesson` ON `operations`(`lesson_id`,`rev`)",
			"CREATE INDEX `idx_operations_created_at` ON `operations`(`created_at`)",
		)
	}},
	// What the school has set for all its lessons.
	{ID: "2026-11-26-settings", Migrate: func(tx *gorm.DB) error {
		return run(tx, "CREATE TABLE `settings` (`name` text,`value` blob,`updated_at` datetime,PRIMARY KEY (`name`))")
	}},
	// A showing is kept like a lesson, and is found with the lesson that was shown.
	{ID: "2026-11-27-showings", Migrate: func(tx *gorm.DB) error {
		return run(tx,
			"ALTER TABLE `lessons` ADD COLUMN `showing_of` text NOT NULL DEFAULT ''",
			"CREATE INDEX `idx_lessons_showing_of` ON `lessons`(`showing_of`)",
		)
	}},
	// What the shelf sorts, searches and files lessons by. Topics and words of lessons that
	// were there are told at the start that follows.
	{ID: "2026-11-27-shelf", Migrate: func(tx *gorm.DB) error {
		return run(tx,
			"ALTER TABLE `lessons` ADD COLUMN `topics` text NOT NULL DEFAULT ''",
			"ALTER TABLE `lessons` ADD COLUMN `found` text NOT NULL DEFAULT ''",
			"ALTER TABLE `lessons` ADD COLUMN `folder` text NOT NULL DEFAULT ''",
			"ALTER TABLE `lessons` ADD COLUMN `opened_at` datetime",
			"UPDATE `lessons` SET `opened_at` = `updated_at`",
		)
	}},
	// Classes with their children, what they are set, and what they hand in.
	{ID: "2026-11-27-classes", Migrate: func(tx *gorm.DB) error {
		return run(tx,
			"CREATE TABLE `classes` (`id` text,`name` text,`code` text,`open` numeric,`created_at` datetime,PRIMARY KEY (`id`))",
			"CREATE UNIQUE INDEX `idx_classes_code` ON `classes`(`code`)",
			"CREATE TABLE `pupils` (`id` text,`class_id` text,`name` text,`sign` integer,`created_at` datetime,PRIMARY KEY "+
				"(`id`))",
			"CREATE INDEX `idx_pupils_class_id` ON `pupils`(`class_id`)",
			"CREATE TABLE `seats` (`token` text,`class_id` text,`pupil_id` text,`with_id` text,`created_at` datetime,PRIMARY "+
				"KEY (`token`))",
			"CREATE INDEX `idx_seats_class_id` ON `seats`(`class_id`)",
			"CREATE TABLE `sets` (`id` text,`class_id` text,`title` text,`source` blob,`tasks` blob,`own` numeric,`help` "+
				"text,`only` blob,"+
				"`created_at` datetime,`ended_at` datetime,PRIMARY KEY (`id`))",
			"CREATE INDEX `idx_sets_class_id` ON `sets`(`class_id`)",
			"CREATE TABLE `recipients` (`set_id` text,`pupil_id` text,`tasks` blob,PRIMARY KEY (`set_id`,`pupil_id`))",
			"CREATE TABLE `attempts` (`id` text,`set_id` text,`pupil_id` text,`with_id` text,`task` integer,`answer` "+
				"blob,`right` numeric,"+
				"`late` numeric,`away` integer,`digest` text,`core` text,`back` text,`handed_at` datetime,PRIMARY KEY (`id`))",
			"CREATE INDEX `idx_attempts_set_id` ON `attempts`(`set_id`,`pupil_id`,`task`)",
		)
	}},
	// Teachers, where they are signed in, and whose a lesson or a class is; from when a set is
	// there to be done; the keys of children's tiles.
	{ID: "2026-11-27-teachers", Migrate: func(tx *gorm.DB) error {
		return run(tx,
			"CREATE TABLE `teachers` (`id` text,`name` text,`folded` text,`hash` text,`lead` numeric,`created_at` "+
				"datetime,PRIMARY KEY (`id`))",
			"CREATE UNIQUE INDEX `idx_teachers_folded` ON `teachers`(`folded`)",
			"CREATE TABLE `sessions` (`token` text,`teacher_id` text,`created_at` datetime,`seen_at` datetime,PRIMARY KEY "+
				"(`token`))",
			"CREATE INDEX `idx_sessions_teacher_id` ON `sessions`(`teacher_id`)",
			"CREATE TABLE `links` (`token` text,`teacher_id` text,`lead` numeric,`made_by` text,`ends_at` datetime,PRIMARY "+
				"KEY (`token`))",
			"ALTER TABLE `lessons` ADD COLUMN `owner` text NOT NULL DEFAULT ''",
			"ALTER TABLE `lessons` ADD COLUMN `shared` text NOT NULL DEFAULT ''",
			"ALTER TABLE `classes` ADD COLUMN `owner` text NOT NULL DEFAULT ''",
			"ALTER TABLE `classes` ADD COLUMN `shared` text NOT NULL DEFAULT ''",
			"ALTER TABLE `sets` ADD COLUMN `starts_at` datetime",
			"ALTER TABLE `classes` ADD COLUMN `keys` numeric NOT NULL DEFAULT 0",
			"ALTER TABLE `pupils` ADD COLUMN `picture_key` text NOT NULL DEFAULT ''",
		)
	}},
	// How a hand-in was laid.
	{ID: "2026-11-27-trails", Migrate: func(tx *gorm.DB) error {
		return run(tx, "ALTER TABLE `attempts` ADD COLUMN `trail` blob")
	}},
	// Sessions are told from one another, to be ended one by one.
	{ID: "2026-11-28-sessions", Migrate: func(tx *gorm.DB) error {
		return run(tx,
			"ALTER TABLE `sessions` ADD COLUMN `id` text NOT NULL DEFAULT ''",
			"ALTER TABLE `sessions` ADD COLUMN `browser` text NOT NULL DEFAULT ''",
			"UPDATE `sessions` SET `id` = lower(hex(randomblob(8)))",
		)
	}},
}

func run(tx *gorm.DB, statements ...string) error {
	for _, sql := range statements {
		if err := tx.Exec(sql).Error; err != nil {
			return fmt.Errorf("%.40s…: %w", sql, err)
		}
	}
	return nil
}

// applied are the migrations that a database has had.
func applied(db *gorm.DB) ([]string, error) {
	var done []string
	if !db.Migrator().HasTable("migrations") {
		return nil, nil
	}
	return done, db.Table("migrations").Pluck("id", &done).Error
}

// known refuses a database that a newer version has changed.
func known(done []string) error {
	for _, id := range done {
		if id != "SCHEMA_INIT" && !slices.ContainsFunc(migrations, func(m *gormigrate.Migration) bool { return m.ID == id }) {
			return ErrNewer
		}
	}
	return nil
}

// migrate copies the file before the first migration that has yet to run. Each
// migration is one transaction: one that was killed was not made at all.
func (s *Store) migrate() error {
	done, err := applied(s.write)
	if err != nil {
		return err
	}
	if err := known(done); err != nil {
		return err
	}
	if len(done) > 0 && len(done) < len(migrations) {
		before := fmt.Sprintf("%s.before-%s", s.path, migrations[len(done)].ID)
		if err := s.keepBefore(before); err != nil {
			return err
		}
	}
	options := *gormigrate.DefaultOptions
	options.UseTransaction = true
	return gormigrate.New(s.write, &options, migrations).Migrate()
}
