package people_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/internal/people"
)

func TestAPassphraseIsHardToGuess(t *testing.T) {
	for _, bad := range []string{
		"", "tulip", "ninechars", "passwordpassword", "Password123", "1234567890", "qwertyuiop", "iloveyou123",
		"aaaaaaaaaaaaaaa",
		"UnitBloom2026", "mirrenmirren", "Mirren Alder", "abcdefghijkl", "sunshine2024", strings.Repeat("a b", 70),
	} {
		require.Error(t, people.CheckPassphrase(bad, "Mirren Alder"), bad)
		assert.Contains(t, people.CheckPassphrase(bad, "Mirren Alder").Error(), " passphrase ")
	}
	for _, good := range []string{"seven damp badgers hum", "Wo liegt mein Löffel?", "我的花園裡有七隻烏龜和鳥", "k4!vRp_02mZq"} {
		assert.NoError(t, people.CheckPassphrase(good, "Mirren Alder"), good)
	}
}

func TestAPassphraseIsKeptHashed(t *testing.T) {
	hash, err := people.HashPassphrase("Wo liegt mein Löffel?")
	require.NoError(t, err)
	assert.True(t, strings.HasPrefix(hash, "$argon2id$v=19$m=19456,t=2,p=1$"))
	assert.True(t, people.IsPassphrase(hash, "Wo liegt mein Löffel?"))
	assert.True(t, people.IsPassphrase(hash, "Wo liegt mein Lo\u0308ffel?"), "as another keyboard writes it")
	assert.False(t, people.IsPassphrase(hash, "Wo liegt mein Loffel?"))
	assert.False(t, people.IsPassphrase("", ""))
	assert.False(t, people.IsPassphrase("", "Wo liegt mein Löffel?"))
	again, err := people.HashPassphrase("Wo liegt mein Löffel?")
	require.NoError(t, err)
	assert.NotEqual(t, hash, again)
}

func TestANameIsOneHoweverItIsWritten(t *testing.T) {
	for _, name := range []string{"Ms Zoë Alder", " ms  zoë alder", "MS ZOE\u0308 ALDER"} {
		assert.Equal(t, "ms zoë alder", people.Folded(name))
	}
}
