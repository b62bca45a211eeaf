package proptest

import (
	"bytes"
	"encoding/json"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"
)

// ByLibrary is a value as the standard library writes it, without escaping for HTML.
func ByLibrary(t *testing.T, value any) string {
	t.Helper()
	var b bytes.Buffer
	to := json.NewEncoder(&b)
	to.SetEscapeHTML(false)
	require.NoError(t, to.Encode(value))
	return strings.TrimSuffix(b.String(), "\n")
}
