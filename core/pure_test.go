package core_test

import (
	"encoding/json"
	"errors"
	"io"
	"os/exec"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"
)

// forbidden are parts of the standard library that would make the core depend
// on more than its input.
var forbidden = []string{"time", "math/rand", "math/rand/v2", "crypto/rand", "os", "io/fs", "net", "net/http",
	"syscall/js"}

type imports struct {
	ImportPath string
	Imports    []string
}

// packages are those that a pattern means, with what they import.
func packages(t *testing.T, pattern string) (all []imports) {
	out, err := exec.Command("go", "list", "-json=ImportPath,Imports", pattern).Output()
	require.NoError(t, err)
	for dec := json.NewDecoder(strings.NewReader(string(out))); ; {
		var pkg imports
		err := dec.Decode(&pkg)
		if errors.Is(err, io.EOF) {
			return all
		}
		require.NoError(t, err)
		all = append(all, pkg)
	}
}

func TestCoreIsPure(t *testing.T) {
	all := packages(t, "./...")
	for _, pkg := range all {
		for _, path := range pkg.Imports {
			first, _, _ := strings.Cut(path, "/")
			ours := strings.HasPrefix(path, "unitbloom/core/")
			require.Truef(t, ours || !strings.Contains(first, ".") && first != "unitbloom",
				"%s imports %s: the core may use only itself and the standard library", pkg.ImportPath, path)
			require.NotContainsf(t, forbidden, path, "%s imports %s: the core has no clock, chance or input of its own",
				pkg.ImportPath, path)
		}
	}
	require.Greater(t, len(all), 7, "the packages of the core were found")
}

// Only a model itself and the list of all models name a single model: methods, door,
// server and command line ask the registry.
func TestNobodyKnowsASingleModel(t *testing.T) {
	all := packages(t, "unitbloom/...")
	for _, pkg := range all {
		for _, path := range pkg.Imports {
			single := strings.HasPrefix(path, "unitbloom/core/model/") && path != "unitbloom/core/model/pieces"
			require.Falsef(t, single && pkg.ImportPath != "unitbloom/core/model",
				"%s imports %s: it works with every model alike", pkg.ImportPath, path)
		}
	}
	require.Greater(t, len(all), 20, "the packages of the product were found")
}
