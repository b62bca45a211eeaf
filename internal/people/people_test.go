package people_test

import (
	"context"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"

	"unitbloom/internal/people"
)

func TestACodeIsReadAsItIsTyped(t *testing.T) {
	seen := map[string]bool{}
	for range 500 {
		code := people.NewCode()
		assert.Len(t, code, people.CodeLength)
		assert.NotContains(t, code, "O")
		assert.Equal(t, code, people.Code(" "+strings.ToLower(code[:3])+"-"+code[3:]+" "))
		seen[code] = true
	}
	assert.Greater(t, len(seen), 490)
	for _, typed := range []string{"", "BCD", "BCDFGHJ", "BCDFG1", "BCDFGO", "ÄCDFGH"} {
		assert.Empty(t, people.Code(typed), typed)
	}
}

func TestNamesOfAPastedList(t *testing.T) {
	for list, want := range map[string][]string{
		"Mirren\nJorn\n\nEvi":           {"Mirren", "Jorn", "Evi"},
		"1. Mirren\r\n2. Jorn":          {"Mirren", "Jorn"},
		"Mirren, Jorn; Evi\tTam":        {"Mirren", "Jorn", "Evi", "Tam"},
		"- Rosa\n• Rosa\nrosa":          {"Rosa"},
		"Anna Lena\nZoë\n小明":            {"Anna Lena", "Zoë", "小明"},
		"  ":                            {},
		"<b>Tam</b>":                    {"<b>Tam</b>"},
		"a\u202egnp.exe":                {"a gnp.exe"},
		strings.Repeat("abcdefghi ", 9): {"abcdefghi abcdefghi abcdefghi abcdefghi"},
	} {
		assert.Equal(t, want, people.Names(list), "%q", list)
	}
}

func TestATicketIsOfOneThing(t *testing.T) {
	key := []byte("key")
	ticket := people.Ticket(key, "set", "pupil", "1", "attempt")
	assert.True(t, people.Valid(ticket, key, "set", "pupil", "1", "attempt"))
	assert.False(t, people.Valid(ticket, []byte("other"), "set", "pupil", "1", "attempt"))
	assert.False(t, people.Valid(ticket, key, "setp", "upil", "1", "attempt"))
	assert.False(t, people.Valid("", key, "set", "pupil", "1", "attempt"))
}

func TestAnAccountIsLockedForAWhile(t *testing.T) {
	now := time.Now()
	s := people.NewLock()
	s.Now = func() time.Time { return now }
	tries := 0
	for s.Wait("alder") < 15*time.Minute {
		now = now.Add(s.Wait("alder"))
		s.Wrong("alder")
		tries++
	}
	assert.Equal(t, 12, tries, "slowed first, then locked")
	now = now.Add(15 * time.Minute)
	assert.Zero(t, s.Wait("alder"))
	s.Wrong("alder")
	assert.Equal(t, 15*time.Minute, s.Wait("alder"))
}

func TestWhoGuessesWaitsLonger(t *testing.T) {
	now := time.Now()
	s := people.NewSlow()
	s.Now = func() time.Time { return now }
	for range 5 {
		assert.Zero(t, s.Wait("tablet"))
		s.Wrong("tablet")
	}
	first := s.Wait("tablet")
	assert.Positive(t, first)
	assert.Zero(t, s.Wait("another"), "one device does not shut out another")
	now = now.Add(first)
	assert.Zero(t, s.Wait("tablet"))
	s.Wrong("tablet")
	assert.Greater(t, s.Wait("tablet"), first)
	for range 40 {
		s.Wrong("tablet")
	}
	assert.LessOrEqual(t, s.Wait("tablet"), time.Minute)
	s.Right("tablet")
	assert.Zero(t, s.Wait("tablet"))
	s.Wrong("tablet")

	// However many devices guess, only so many tries are looked at: a turn that has to be waited
	// for is not had by one who does not wait.
	hurried, cancel := context.WithCancel(t.Context())
	cancel()
	assert.False(t, s.Turn(hurried, "tablet"))
	turns := 0
	for range 1000 {
		impatient, cancel := context.WithTimeout(t.Context(), time.Millisecond)
		if s.Turn(impatient, "another") {
			turns++
		}
		cancel()
	}
	assert.GreaterOrEqual(t, turns, 60)
	assert.Less(t, turns, 1000)
	// One that has just been right does not wait for them, until it is wrong.
	s.Right("tablet")
	assert.True(t, s.Turn(hurried, "tablet"))
	s.Wrong("tablet")
	assert.False(t, s.Turn(hurried, "tablet"))
}
