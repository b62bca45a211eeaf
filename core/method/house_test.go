package method_test

import (
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/method"
)

// One file a method, found by the method's own name.
func TestAMethodIsOneFile(t *testing.T) {
	files, err := filepath.Glob("*.go")
	require.NoError(t, err)
	specs := map[string]int{}
	for _, f := range files {
		raw, err := os.ReadFile(f)
		require.NoError(t, err)
		if !strings.HasSuffix(f, "_test.go") {
			specs[f] = strings.Count(string(raw), " = Spec{\n")
		}
	}
	for _, m := range method.Specs() {
		file := strings.ReplaceAll(m.ID, "-", "_") + ".go"
		raw, err := os.ReadFile(file)
		require.NoErrorf(t, err, "the method %s has no file of its own", m.ID)
		assert.Containsf(t, string(raw), " = Spec{\n", "%s does not hold the method", file)
		assert.Equalf(t, 1, specs[file], "%s holds other methods too", file)
		delete(specs, file)
	}
	for file, n := range specs {
		assert.Zerof(t, n, "%s holds a method under another name", file)
	}
}
