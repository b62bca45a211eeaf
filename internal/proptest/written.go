package proptest

import (
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"
)

// WrittenDown holds what was made to what was made before, in a file that is there to be read; or writes
// the file anew.
func WrittenDown(t *testing.T, anew bool, path, made string) {
	t.Helper()
	if anew {
		require.NoError(t, os.MkdirAll(filepath.Dir(path), 0o755))
		require.NoError(t, os.WriteFile(path, []byte(made), 0o600))
	}
	want, err := os.ReadFile(path)
	require.NoErrorf(t, err, "if %s is new, run the tests of this package with -update", path)
	require.Equal(t, strings.Split(string(want), "\n"), strings.Split(made, "\n"),
		"if this is meant, run the tests of this package with -update and read the difference")
}
