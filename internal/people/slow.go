package people

import (
	"context"
	"sync"
	"time"

	"golang.org/x/time/rate"
)

// Slow holds back those who guess codes or passphrases. Who was wrong a few times waits, longer
// each time; and in all, only so many tries are looked at in a second, right or wrong. Nobody is
// shut out by an address: thirty children have one.
type Slow struct {
	// Now is the clock.
	Now func() time.Time
	// After so many free tries there is a first wait, which doubles up to the longest.
	free           int
	first, longest time.Duration

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
	firstWait = 2 * time.Second
	forgotten = 15 * time.Minute
	// In all: eight classes of thirty come in within a quarter of a minute. All 24 million codes
	// would take four weeks, and the one of a class that is open for an hour is met once in 670
	// such hours.
	inASecond, atOnce = 10, 60
	patience          = 3 * time.Second
)

// NewSlow is for codes: five tries are free, and nobody waits for more than a minute.
func NewSlow() *Slow { return newSlow(5, time.Minute) }

// NewLock is for passphrases: after three tries an account waits, after a dozen it is locked
// for a quarter of an hour.
func NewLock() *Slow { return newSlow(3, forgotten) }

func newSlow(free int, longest time.Duration) *Slow {
	return &Slow{Now: time.Now, free: free, first: firstWait, longest: longest, wrong: map[string]tries{},
		right: map[string]time.Time{}, all: rate.NewLimiter(inASecond, atOnce)}
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
	if t.n < s.free {
		return 0
	}
	return max(0, min(s.longest, s.first<<min(t.n-s.free, 16))-s.Now().Sub(t.last))
}

// Wrong notes that a device was wrong.
func (s *Slow) Wrong(device string) {
	s.mu.Lock()
	defer s.mu.Unlock()
	now := s.Now()
	if now.Sub(s.swept) > time.Minute {
		s.swept = now
		for known, t := range s.wrong {
			if now.Sub(t.last) > 2*forgotten {
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
