// Package people has what a class is known by: its code, the names in it, the tokens of its
// children's devices. It keeps nothing itself.
package people

import (
	"crypto/hmac"
	"crypto/rand"
	"crypto/sha256"
	"encoding/hex"
	"math/big"
	"strings"
	"unicode"
	"unicode/utf8"

	"golang.org/x/text/unicode/norm"
)

// letters of a code look like no other letter or digit, and make no words.
const letters = "BCDFGHJKMNPQRTVWX"

// CodeLength is how many letters a code has: 17^6 are 24 million codes.
const CodeLength = 6

// NewCode is a code by chance.
func NewCode() string {
	var b strings.Builder
	for range CodeLength {
		n, err := rand.Int(rand.Reader, big.NewInt(int64(len(letters))))
		if err != nil {
			panic(err) // the machine has no chance to give
		}
		b.WriteByte(letters[n.Int64()])
	}
	return b.String()
}

// Code is a code as it was typed: small letters, spaces and hyphens are forgiven. It is empty
// where no code can be meant.
func Code(typed string) string {
	code := strings.Map(func(r rune) rune {
		if r == ' ' || r == '-' {
			return -1
		}
		return unicode.ToUpper(r)
	}, typed)
	if len(code) != CodeLength || strings.Trim(code, letters) != "" {
		return ""
	}
	return code
}

// MaxName is how many letters a name of a class or a child has at most.
const MaxName = 40

// Names are the names of a pasted list: one a line, or parted by commas or semicolons.
// Numbers before names are left out, and so is a name that was there before.
func Names(list string) []string {
	names := []string{}
	seen := map[string]bool{}
	parts := strings.FieldsFunc(list, func(r rune) bool { return strings.ContainsRune("\n\r,;\t", r) })
	for _, part := range parts {
		name := Name(strings.TrimLeft(strings.TrimSpace(part), "0123456789.)-• "))
		if key := strings.ToLower(name); name != "" && !seen[key] {
			seen[key] = true
			names = append(names, name)
		}
	}
	return names
}

// Name is a name as it is kept: on one line, without what cannot be seen, and no longer than
// a tile holds.
func Name(text string) string {
	text = strings.Map(func(r rune) rune {
		if unicode.IsControl(r) || unicode.Is(unicode.Cf, r) && r != '\u200d' {
			return ' '
		}
		return r
	}, strings.ToValidUTF8(text, ""))
	text = strings.Join(strings.Fields(text), " ")
	if utf8.RuneCountInString(text) > MaxName {
		text = strings.TrimSpace(string([]rune(text)[:MaxName]))
	}
	return text
}

// Pictures is how many there are to choose a key from, KeyLength how many a key has.
const (
	Pictures  = 12
	KeyLength = 3
)

// NewPictureKey is a key of pictures by chance, as their numbers: it is for one who cannot write,
// and keeps her tile from other children of her class, not from who guesses long.
func NewPictureKey() string {
	var key [KeyLength]string
	for i := range key {
		n, err := rand.Int(rand.Reader, big.NewInt(Pictures))
		if err != nil {
			panic(err) // the machine has no chance to give
		}
		key[i] = n.String()
	}
	return strings.Join(key[:], " ")
}

// NewToken is a token of 128 bits for a device, to be told to nobody else.
func NewToken() string {
	var b [16]byte
	_, _ = rand.Read(b[:])
	return hex.EncodeToString(b[:])
}

// Hashed is what is kept of a token: it tells the token again, and not what it was.
func Hashed(token string) string {
	sum := sha256.Sum256([]byte(token))
	return hex.EncodeToString(sum[:])
}

// Ticket lets one attempt of a child at a task be handed in, whoever is signed in by then.
func Ticket(key []byte, set, pupil, task, attempt string) string {
	mac := hmac.New(sha256.New, key)
	mac.Write([]byte(strings.Join([]string{set, pupil, task, attempt}, "\x00")))
	return hex.EncodeToString(mac.Sum(nil))
}

// Valid reports whether a ticket is that of an attempt.
func Valid(ticket string, key []byte, set, pupil, task, attempt string) bool {
	return hmac.Equal([]byte(ticket), []byte(Ticket(key, set, pupil, task, attempt)))
}

// Folded is a name as it is told from others: written large or small, composed or not, it is one.
func Folded(name string) string { return strings.ToLower(norm.NFKC.String(Name(name))) }
