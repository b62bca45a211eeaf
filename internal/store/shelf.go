package store

import (
	"cmp"
	"slices"
	"strings"
	"time"
	"unicode/utf8"

	"gorm.io/gorm"

	"unitbloom/core/lesson"
	"unitbloom/core/method"
)

// Line is one lesson of the shelf.
type Line struct {
	ID        string     `json:"id"`
	Title     string     `json:"title"`
	Objective string     `json:"objective"`
	Scenes    int        `json:"scenes"`
	Rev       int        `json:"rev"`
	Topics    []string   `json:"topics" gorm:"-"`
	Folder    string     `json:"folder"`
	OpenedAt  time.Time  `json:"openedAt"`
	UpdatedAt time.Time  `json:"updatedAt"`
	DeletedAt *time.Time `json:"deletedAt,omitempty"`
	// Shared is how the school has it; By the teacher whose it is, where it is not the reader's.
	Shared string `json:"shared,omitempty"`
	By     string `json:"by,omitempty" gorm:"-"`

	Owner string `json:"-"`
	// About and Found are as the row has them.
	About string `json:"-" gorm:"column:topics"`
	Found string `json:"-"`
}

// Query says which lessons of the shelf are wanted, and in which order.
type Query struct {
	// Teacher is whose shelf it is: her own lessons, with those of Others if wanted that the
	// school has. Empty, where nobody signs in, for all.
	Teacher string
	Others  bool
	// Text is sought in titles, objectives, problems and words: each of its words.
	Text string
	// Topic and Folder are one of each, empty for any.
	Topic, Folder string
	// Sort is "opened", last opened first, which is the default; "title" or "topic".
	Sort string
	// Deleted wants those that can be brought back instead.
	Deleted bool
	// From is how many are left out at the beginning, Most how many there are at most; 0
	// for all.
	From, Most int
}

// Page is a part of the shelf: its lessons, how many there are in all that are wanted, and
// the topics and folders of the whole shelf with how many lessons each has.
type Page struct {
	Lessons []Line `json:"lessons"`
	Total   int    `json:"total"`
	All     int    `json:"all"`
	// Others is how many lessons of other teachers the school has.
	Others  int     `json:"others"`
	Topics  []Count `json:"topics"`
	Folders []Count `json:"folders"`
}

// Count is a topic or a folder with how many lessons it has.
type Count struct {
	Name string `json:"name"`
	N    int    `json:"n"`
}

// Shelf is what of the shelf is wanted.
func (s *Store) Shelf(q Query) (Page, error) {
	all, err := s.List(q.Deleted)
	if err != nil {
		return Page{}, err
	}
	all, others := whose(all, q)
	page := Page{All: len(all), Others: others, Topics: counted(all, method.Topics), Folders: folders(all)}
	words := strings.Fields(method.Sought(q.Text))
	wanted := []Line{}
	for _, line := range all {
		if line.wanted(q, words) {
			wanted = append(wanted, line)
		}
	}
	switch q.Sort {
	case "title":
		slices.SortStableFunc(wanted, func(a, b Line) int {
			return cmp.Compare(strings.ToLower(a.Title), strings.ToLower(b.Title))
		})
	case "topic":
		slices.SortStableFunc(wanted, func(a, b Line) int { return cmp.Compare(a.first(), b.first()) })
	}
	page.Total = len(wanted)
	from := min(max(0, q.From), len(wanted))
	to := len(wanted)
	if q.Most > 0 {
		to = min(to, from+q.Most)
	}
	page.Lessons = wanted[from:to]
	if !q.Others {
		return page, nil
	}
	teachers, err := s.Teachers()
	if err != nil {
		return page, err
	}
	names := map[string]string{}
	for _, t := range teachers {
		names[t.ID] = t.Name
	}
	page.Lessons = slices.Clone(page.Lessons)
	for i, line := range page.Lessons {
		page.Lessons[i].By = names[line.Owner]
	}
	return page, nil
}

// whose are a teacher's lines, or those of others that the school has, and how many the latter
// are. Folders are their owner's own.
func whose(all []Line, q Query) (lines []Line, others int) {
	if q.Teacher == "" {
		return all, 0
	}
	lines = []Line{}
	for _, line := range all {
		own := line.Owner == q.Teacher
		if !own && (line.Shared == "" || q.Deleted) {
			continue
		}
		if !own {
			others++
			line.Folder = ""
		}
		if own != q.Others {
			lines = append(lines, line)
		}
	}
	return lines, others
}

func (l Line) wanted(q Query, words []string) bool {
	if q.Topic != "" && !slices.Contains(l.Topics, q.Topic) || q.Folder != "" && l.Folder != q.Folder {
		return false
	}
	for _, word := range words {
		if !strings.Contains(l.Found, word) {
			return false
		}
	}
	return true
}

// first is the place of a lesson's first topic; those without come last.
func (l Line) first() int {
	if len(l.Topics) == 0 {
		return len(method.Topics)
	}
	return slices.Index(method.Topics, l.Topics[0])
}

func counted(all []Line, names []string) []Count {
	n := map[string]int{}
	for _, line := range all {
		for _, topic := range line.Topics {
			n[topic]++
		}
	}
	out := []Count{}
	for _, name := range names {
		if n[name] > 0 {
			out = append(out, Count{name, n[name]})
		}
	}
	return out
}

func folders(all []Line) []Count {
	n := map[string]int{}
	for _, line := range all {
		if line.Folder != "" {
			n[line.Folder]++
		}
	}
	out := []Count{}
	for name, count := range n {
		out = append(out, Count{name, count})
	}
	slices.SortFunc(out, func(a, b Count) int { return cmp.Compare(strings.ToLower(a.Name), strings.ToLower(b.Name)) })
	return out
}

// List is the whole shelf, last opened first; deleted lists what can be brought back. It is
// kept until something is written.
func (s *Store) List(deleted bool) ([]Line, error) {
	s.mu.Lock()
	known, ok := s.shelf[deleted]
	writes := s.writes
	s.mu.Unlock()
	if ok {
		return known, nil
	}
	lines := []Line{}
	q := s.read.Model(&Row{}).Select("id", "title", "objective", "scenes", "rev", "topics", "found", "folder", "opened_at",
		"updated_at", "deleted_at", "owner", "shared").Where("showing_of = ''").Order("opened_at DESC, id")
	if deleted {
		q = q.Unscoped().Where("deleted_at IS NOT NULL")
	}
	if err := q.Scan(&lines).Error; err != nil {
		return nil, err
	}
	for i := range lines {
		lines[i].Topics = []string{}
		if lines[i].About != "" {
			lines[i].Topics = strings.Split(lines[i].About, ",")
		}
	}
	s.mu.Lock()
	defer s.mu.Unlock()
	// A write meanwhile may not be in these lines.
	if writes == s.writes {
		s.shelf[deleted] = lines
	}
	return lines, nil
}

// wrote forgets the lists that a write has made old.
func (s *Store) wrote() {
	s.mu.Lock()
	defer s.mu.Unlock()
	s.writes++
	clear(s.shelf)
}

// openedAgain is how long after a lesson was opened it counts as opened anew.
const openedAgain = time.Minute

// Opened notes that a lesson was opened.
func (s *Store) Opened(id string) error {
	now := s.now()
	done := s.write.Model(&Row{}).Where("id = ? AND opened_at < ?", id, now.Add(-openedAgain)).
		UpdateColumn("opened_at", now)
	if done.RowsAffected > 0 {
		s.wrote()
	}
	return done.Error
}

// MaxFolder is how many letters the name of a folder has at most.
const MaxFolder = 60

// Move puts lessons of a teacher's into a folder of hers; the empty name takes them out.
func (s *Store) Move(owner string, ids []string, folder string) error {
	if utf8.RuneCountInString(folder) > MaxFolder {
		return ErrFolder
	}
	err := s.write.Model(&Row{}).Where("id IN ? AND (owner = ? OR ? = '')", ids, owner, owner).
		UpdateColumn("folder", strings.TrimSpace(folder)).Error
	s.wrote()
	return err
}

func topics(l lesson.Lesson) string { return strings.Join(method.TopicsOf(l), ",") }

// file tells topics and words of lessons that were kept before the shelf knew of them. One
// that does not open stays as it is, to be told of where it is opened.
func (s *Store) file() error {
	var ids []string
	if err := s.write.Unscoped().Model(&Row{}).Where("found = ''").Pluck("id", &ids).Error; err != nil {
		return err
	}
	for _, id := range ids {
		err := s.write.Transaction(func(tx *gorm.DB) error {
			var row Row
			if err := tx.Unscoped().Select("rev", "title").Where("id = ?", id).Take(&row).Error; err != nil {
				return err
			}
			l, err := s.document(tx, id, row.Rev)
			if err != nil {
				s.log.Warn("not filed", "lesson", id, "cause", err)
				l = lesson.Lesson{Title: row.Title}
			}
			return tx.Unscoped().Model(&Row{}).Where("id = ?", id).
				UpdateColumns(map[string]any{"topics": topics(l), "found": method.FoundBy(l)}).Error
		})
		if err != nil {
			return err
		}
	}
	return nil
}
