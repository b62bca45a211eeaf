package people

import (
	"errors"
	"fmt"
	"strings"
	"unicode/utf8"

	"github.com/alexedwards/argon2id"
	"github.com/trustelem/zxcvbn"
	"golang.org/x/text/unicode/norm"
)

// LeastPassphrase and MostPassphrase are how many letters a passphrase has.
const (
	LeastPassphrase = 10
	MostPassphrase  = 200
)

// hard is how many guesses a passphrase has to withstand that is not slowed by us, as of a stolen
// database: with argon2id a few hundred a second on one machine are years.
const hard = 1e9

// cost of a passphrase: argon2id with 19 MiB and two passes, about 25 ms on one core.
var cost = &argon2id.Params{Memory: 19 * 1024, Iterations: 2, Parallelism: 1, SaltLength: 16, KeyLength: 32}

// hashing lets two passphrases be worked on at a time: what a flood of tries takes stays small.
var hashing = make(chan struct{}, 2)

// CheckPassphrase says in a sentence why a passphrase of a teacher's will not do.
func CheckPassphrase(passphrase, name string) error {
	n := utf8.RuneCountInString(passphrase)
	near := []string{name, "unit", "bloom", "unitbloom", "teacher", "school"}
	switch {
	case n < LeastPassphrase:
		return fmt.Errorf("a passphrase has at least %d letters; a few words that nobody would put together do well",
			LeastPassphrase)
	case n > MostPassphrase:
		return fmt.Errorf("a passphrase has at most %d letters", MostPassphrase)
	case zxcvbn.PasswordStrength(passphrase, near).Guesses < hard:
		return errors.New("this passphrase is found soon by guessing; a few words that nobody would put together do well")
	}
	return nil
}

// HashPassphrase is what is kept of a passphrase: argon2id with its cost and salt.
func HashPassphrase(passphrase string) (string, error) {
	hashing <- struct{}{}
	defer func() { <-hashing }()
	return argon2id.CreateHash(norm.NFKC.String(passphrase), cost)
}

// noHash is compared with where there is no such teacher, so that it takes as long.
var noHash = "$argon2id$v=19$m=19456,t=2,p=1$" + strings.Repeat("A", 22) + "$" + strings.Repeat("A", 43)

// IsPassphrase reports whether a passphrase is that of a hash. An empty hash is nobody's, and takes
// as long.
func IsPassphrase(hash, passphrase string) bool {
	if utf8.RuneCountInString(passphrase) > MostPassphrase {
		return false
	}
	hashing <- struct{}{}
	defer func() { <-hashing }()
	known := hash != ""
	if !known {
		hash = noHash
	}
	same, err := argon2id.ComparePasswordAndHash(norm.NFKC.String(passphrase), hash)
	return known && same && err == nil
}
