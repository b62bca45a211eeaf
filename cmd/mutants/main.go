// Command mutants changes the core in one small place after another, and says which
// changes no test notices. Arguments are packages; with none it takes those that hold
// the rules. The changes are drawn by seed, so that a run can be repeated.
package main

import (
	"encoding/json"
	"flag"
	"fmt"
	"go/ast"
	"go/parser"
	"go/token"
	"math/rand/v2"
	"os"
	"os/exec"
	"path/filepath"
	"slices"
	"strings"
	"sync"
	"time"
)

// rules are the packages that hold the rules of the core.
var rules = []string{"core/place", "core/board", "core/model", "core/sentence", "core/method", "core/lesson"}

// instead is what each operator is changed into.
var instead = map[token.Token][]token.Token{
	token.LSS: {token.LEQ, token.GEQ}, token.LEQ: {token.LSS, token.GTR},
	token.GTR: {token.GEQ, token.LEQ}, token.GEQ: {token.GTR, token.LSS},
	token.EQL: {token.NEQ}, token.NEQ: {token.EQL},
	token.LAND: {token.LOR}, token.LOR: {token.LAND},
	token.ADD: {token.SUB}, token.SUB: {token.ADD}, token.MUL: {token.QUO}, token.QUO: {token.MUL},
	token.REM: {token.MUL}, token.INC: {token.DEC}, token.DEC: {token.INC},
	token.ADD_ASSIGN: {token.SUB_ASSIGN}, token.SUB_ASSIGN: {token.ADD_ASSIGN},
	token.BREAK: {token.CONTINUE}, token.CONTINUE: {token.BREAK},
}

// mutant is one change: the bytes of a file from an offset on, and what they become.
type mutant struct {
	file, text, into string
	offset, line     int
}

func (m mutant) String() string {
	return fmt.Sprintf("%s:%d: %s → %s", m.file, m.line, m.text, m.into)
}

func main() {
	each := flag.Int("each", 60, "how many changes to a package")
	seed := flag.Uint64("seed", 1, "which of them")
	wait := flag.Duration("wait", 90*time.Second, "how long a change may keep its tests busy; longer counts as noticed")
	in := flag.String("in", "", "only changes to files whose path holds this")
	workers := flag.Int("workers", 2, "how many are tried at a time")
	flag.Parse()
	packages := flag.Args()
	if len(packages) == 0 {
		packages = rules
	}
	for _, dir := range packages {
		if err := report(dir, *in, *each, *seed, *wait, *workers); err != nil {
			fmt.Fprintln(os.Stderr, err)
			os.Exit(1)
		}
	}
}

// report tries the changes of a package and prints those that no test noticed, then how many were.
func report(dir, in string, each int, seed uint64, wait time.Duration, workers int) error {
	all, err := mutantsOf(dir, in)
	if err != nil {
		return err
	}
	others, err := users(dir)
	if err != nil {
		return err
	}
	for _, tests := range append([]string{"./" + dir + "/..."}, others...) {
		if out, err := tested(tests, wait).CombinedOutput(); err != nil {
			return fmt.Errorf("%s fails as it is, and would notice everything:\n%s", tests, out)
		}
	}
	draw := rand.New(rand.NewPCG(seed, 0))
	draw.Shuffle(len(all), func(i, j int) { all[i], all[j] = all[j], all[i] })
	next := make(chan mutant)
	var mu sync.Mutex
	tried, lived := 0, 0
	var done sync.WaitGroup
	for range workers {
		done.Go(func() {
			for m := range next {
				compiles, noticed := try(dir, others, m, wait)
				mu.Lock()
				if compiles {
					tried++
					if !noticed {
						lived++
						fmt.Println("  lives:", m)
					}
				}
				mu.Unlock()
			}
		})
	}
	for _, m := range all {
		mu.Lock()
		enough := tried >= each
		mu.Unlock()
		if enough {
			break
		}
		next <- m
	}
	close(next)
	done.Wait()
	fmt.Printf("%s: %d of %d noticed (of %d, seed %d)\n", dir, tried-lived, tried, len(all), seed)
	return nil
}

// mutantsOf are all changes to the files of a package and of those below it whose path holds a text.
func mutantsOf(dir, in string) (all []mutant, err error) {
	err = filepath.WalkDir(dir, func(path string, d os.DirEntry, err error) error {
		if err != nil || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") ||
			!strings.Contains(path, in) {
			return err
		}
		files := token.NewFileSet()
		file, err := parser.ParseFile(files, path, nil, 0)
		if err != nil {
			return err
		}
		add := func(at token.Pos, op token.Token) {
			for _, other := range instead[op] {
				p := files.Position(at)
				all = append(all, mutant{path, op.String(), other.String(), p.Offset, p.Line})
			}
		}
		ast.Inspect(file, func(n ast.Node) bool {
			switch n := n.(type) {
			case *ast.BinaryExpr:
				add(n.OpPos, n.Op)
			case *ast.IncDecStmt:
				add(n.TokPos, n.Tok)
			case *ast.AssignStmt:
				add(n.TokPos, n.Tok)
			case *ast.BranchStmt:
				if n.Label == nil {
					add(n.TokPos, n.Tok)
				}
			case *ast.UnaryExpr:
				if n.Op == token.NOT || n.Op == token.SUB {
					p := files.Position(n.OpPos)
					all = append(all, mutant{path, n.Op.String(), "", p.Offset, p.Line})
				}
			}
			return true
		})
		return nil
	})
	return all, err
}

// try tells whether a change compiles, and whether a test of the core notices it: first
// those of the package itself, then those of the packages that use it, one after another.
func try(dir string, others []string, m mutant, wait time.Duration) (compiles, noticed bool) {
	folder, err := os.MkdirTemp("", "mutant-")
	if err != nil {
		return false, false
	}
	defer func() { _ = os.RemoveAll(folder) }()
	overlay, err := m.overlay(folder)
	if err != nil {
		return false, false
	}
	if exec.Command("go", "build", "-overlay", overlay, "./"+dir+"/...").Run() != nil {
		return false, false
	}
	for _, tests := range append([]string{"./" + dir + "/..."}, others...) {
		if tested(tests, wait, "-overlay", overlay).Run() != nil {
			return true, true
		}
	}
	return true, false
}

// tested is the command that runs the tests of a package, with few random cases.
func tested(tests string, wait time.Duration, more ...string) *exec.Cmd {
	cmd := exec.Command("go", append(append([]string{"test", "-failfast", "-vet=off", "-timeout", wait.String()},
		more...), tests)...)
	cmd.Env = append(os.Environ(), "UNITBLOOM_CASES=60", "UNITBLOOM_MUTANT=1")
	return cmd
}

// users are the other packages of the core whose tests use one of a folder.
func users(dir string) (packages []string, err error) {
	own, err := exec.Command("go", "list", "./"+dir+"/...").Output()
	if err != nil {
		return nil, err
	}
	tests, err := exec.Command("go", "list", "-test", "-f", "{{.ImportPath}} {{.Deps}}", "./core/...").Output()
	if err != nil {
		return nil, err
	}
	folder := strings.Fields(string(own))
	for line := range strings.Lines(string(tests)) {
		words := strings.FieldsFunc(line, func(r rune) bool { return strings.ContainsRune(" []\n", r) })
		path, isTest := strings.CutSuffix(words[0], ".test")
		uses := slices.ContainsFunc(words[1:], func(w string) bool { return slices.Contains(folder, w) })
		if isTest && uses && !slices.Contains(folder, path) {
			packages = append(packages, path)
		}
	}
	slices.Reverse(packages) // those nearest to the rules come last, and are the quickest
	return packages, nil
}

// overlay writes the changed file and the list that puts it in place of the real one.
func (m mutant) overlay(folder string) (string, error) {
	raw, err := os.ReadFile(m.file)
	if err != nil {
		return "", err
	}
	from, err := filepath.Abs(m.file)
	if err != nil {
		return "", err
	}
	changed := string(raw[:m.offset]) + m.into + string(raw[m.offset+len(m.text):])
	to := filepath.Join(folder, "changed.go")
	if err := os.WriteFile(to, []byte(changed), 0o600); err != nil {
		return "", err
	}
	list, err := json.Marshal(map[string]map[string]string{"Replace": {from: to}})
	if err != nil {
		return "", err
	}
	path := filepath.Join(folder, "overlay.json")
	return path, os.WriteFile(path, list, 0o600)
}
