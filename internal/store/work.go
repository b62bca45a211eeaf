package store

import (
	"time"

	"unitbloom/core/task"
)

// Work is where it is kept what is set for classes, and what children hand in. A Store is one;
// whatever else is to be keeps the contract that work_test.go tries.
type Work interface {
	MakeSet(set Set) (Set, error)
	Set(id string) (Set, error)
	Sets(class string) ([]Set, error)
	SetsTurning(after, upto time.Time) ([]Set, error)
	EndSet(id string, ended bool) (Set, error)
	DeleteSet(id string) error
	TasksFor(set Set, pupil string) ([]task.Task, error)
	HandIn(a Attempt) (Attempt, error)
	Attempts(set string) ([]Attempt, error)
	Turnout(class string) (map[string]int, error)
	AttemptsBy(set, pupil string) ([]Attempt, error)
	Attempt(id string) (Attempt, error)
	TrailOf(attempt string) ([]task.Laid, error)
	GiveBack(attempt, word string) error
}

var _ Work = (*Store)(nil)
