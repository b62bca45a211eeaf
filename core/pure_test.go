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

// knowsModels are the packages that may name single models: those of the models
// themselves, the list of them, and the methods.
func knowsModels(path string) bool {
	return strings.HasPrefix(path, "unitbloom/core/model") || path == "unitbloom/core/method"
}

func TestCoreIsPure(t *testing.T) {
	out, err := exec.Command("go", "list", "-json=ImportPath,Imports", "./...").Output()
	require.NoError(t, err)
	seen := 0
	for dec := json.NewDecoder(strings.NewReader(string(out))); ; {
		var pkg struct {
			ImportPath string
			Imports    []string
		}
		err := dec.Decode(&pkg)
		if errors.Is(err, io.EOF) {
			break
		}
		require.NoError(t, err)
		seen++
		for _, path := range pkg.Imports {
			first, _, _ := strings.Cut(path, "/")
			ours := strings.HasPrefix(path, "unitbloom/core/")
			require.Truef(t, ours || !strings.Contains(first, ".") && first != "unitbloom",
				"%s imports %s: the core may use only itself and the standard library", pkg.ImportPath, path)
			require.NotContainsf(t, forbidden, path, "%s imports %s: the core has no clock, chance or input of its own",
				pkg.ImportPath, path)
			single := strings.HasPrefix(path, "unitbloom/core/model/") && path != "unitbloom/core/model/pieces"
			require.Falsef(t, single && !knowsModels(pkg.ImportPath), "%s imports %s: it works with every model alike",
				pkg.ImportPath, path)
		}
	}
	require.Greater(t, seen, 7, "the packages of the core were found")
}
