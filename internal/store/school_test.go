package store_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/say"
	"unitbloom/internal/store"
)

// What the school has set is there again after the server stopped, in a database of any
// age.
func TestTheSchoolsWordsAreKept(t *testing.T) {
	path := fixture(t, "format2.sqlite")
	s, err := store.Open(path, nil)
	require.NoError(t, err)
	school, err := s.School()
	require.NoError(t, err)
	assert.Equal(t, store.School{}, school, "nothing is set at first")
	for _, form := range []string{"4 002,5", "4,002.5"} {
		require.NoError(t, s.SetSchool(store.School{Words: say.Vocabulary{Regroup: "exchange", Numbers: form}}))
	}
	require.NoError(t, s.Close())
	again, err := store.Open(path, nil)
	require.NoError(t, err)
	defer again.Close()
	school, err = again.School()
	require.NoError(t, err)
	assert.Equal(t, say.Vocabulary{Regroup: "exchange", Numbers: "4,002.5"}, school.Words)
	doc, rev, err := again.Get("bulbs-two")
	require.NoError(t, err)
	assert.Equal(t, 2, rev)
	assert.Contains(t, string(doc), `"exchange"`, "the lesson of before is as it was")
}
