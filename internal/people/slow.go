package people

import (
	"context"
	"sync"
	"time"

	"golang.org/x/time/rate"
)

// Slow holds back those who guess codes. A device that was wrong a few times waits, longer each
// time; and in all, only so many tries are looked at in a second, right or wrong. Nobody is
// shut out by an address: thirty children have one.
type Slow struct {
	// Now is the clock.
	Now func() time.Time

	mu    sync.Mutex
	wrong map[string]tries
	right map[string]time.Time
	swept time.Time
	all   *rate.Limiter
}

type tries struct {
	n    int
	last time.Time
}

const (
	freeTries = 5
	firstWait = 2 * time.Second
	longest   = time.Minute
	forgotten = 15 * time.Minute
	// In all: eight classes of thirty come in within a quarter of a minute. All 24 million codes
	// would take four weeks, and the one of a class that is open for an hour is met once in 670
	// such hours.
	inASecond, atOnce = 10, 60
	patience          = 3 * time.Second
)

// NewSlow holds back nobody yet.
func NewSlow() *Slow {
	return &Slow{Now: time.Now, wrong: map[string]tries{}, right: map[string]time.Time{}, all: rate.NewLimiter(inASecond, atOnce)}
}

// Turn waits for a try's turn among those of all devices, for a moment; false where there are
// too many. A device that was right a moment ago, and not wrong since, does not wait.
func (s *Slow) Turn(ctx context.Context, device string) bool {
	s.mu.Lock()
	at, known := s.right[device]
	s.mu.Unlock()
	if known && s.Now().Sub(at) < forgotten {
		return true
	}
	ctx, cancel := context.WithTimeout(ctx, patience)
	defer cancel()
	return s.all.Wait(ctx) == nil
}

// Wait is how long a device that was wrong has to wait before it may try again.
func (s *Slow) Wait(device string) time.Duration {
	s.mu.Lock()
	defer s.mu.Unlock()
	t := s.wrong[device]
	if t.n < freeTries {
		return 0
	}
	return max(0, min(longest, firstWait<<min(t.n-freeTries, 8))-s.Now().Sub(t.last))
}

// Wrong notes that a device was wrong.
func (s *Slow) Wrong(device string) {
	s.mu.Lock()
	defer s.mu.Unlock()
	now := s.Now()
	if now.Sub(s.swept) > time.Minute {
		s.swept = now
		for known, t := range s.wrong {
			if now.Sub(t.last) > forgotten {
				delete(s.wrong, known)
			}
		}
		for known, at := range s.right {
			if now.Sub(at) > forgotten {
				delete(s.right, known)
			}
		}
	}
	delete(s.right, device)
	s.wrong[device] = tries{s.wrong[device].n + 1, now}
}

// Right forgets that a device was wrong before.
func (s *Slow) Right(device string) {
	s.mu.Lock()
	defer s.mu.Unlock()
	delete(s.wrong, device)
	s.right[device] = s.Now()
}
