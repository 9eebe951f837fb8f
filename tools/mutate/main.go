// Mutate puts small faults into the code, one at a time, and says which of them no
// test of their package notices. Nothing is changed on the disk: each fault is laid
// over its file for one run of the tests.
package main

import (
	"bytes"
	"context"
	"encoding/json"
	"flag"
	"fmt"
	"go/ast"
	"go/format"
	"go/parser"
	"go/token"
	"io/fs"
	"math/rand/v2"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"time"
)

// A fault is one small change of a file.
type fault struct {
	file   string
	line   int
	was    string
	is     string
	source []byte // the file with it
}

// swaps are the operators that are taken for each other.
var swaps = map[token.Token]token.Token{
	token.ADD: token.SUB, token.SUB: token.ADD, token.MUL: token.QUO, token.QUO: token.MUL,
	token.LSS: token.LEQ, token.LEQ: token.LSS, token.GTR: token.GEQ, token.GEQ: token.GTR,
	token.EQL: token.NEQ, token.NEQ: token.EQL, token.LAND: token.LOR, token.LOR: token.LAND,
}

func main() {
	n := flag.Int("n", 100, "how many faults are tried")
	seed := flag.Uint64("seed", uint64(time.Now().UnixNano()%1_000_000), "which: the same number tries the same ones")
	each := flag.Duration("each", 4*time.Minute, "how long the tests of a package may take; longer counts as noticed")
	dirs := flag.String("in", "core,internal", "folders, with commas between")
	flag.Parse()
	all, err := faults(strings.Split(*dirs, ","))
	if err != nil {
		fmt.Fprintln(os.Stderr, "mutate:", err)
		os.Exit(1)
	}
	r := rand.New(rand.NewPCG(*seed, 1))
	r.Shuffle(len(all), func(i, k int) { all[i], all[k] = all[k], all[i] })
	all = all[:min(*n, len(all))]
	fmt.Printf("%d faults of seed %d\n", len(all), *seed)
	caught := 0
	for k, f := range all {
		noticed, err := f.try(*each)
		switch {
		case err != nil:
			fmt.Fprintln(os.Stderr, "mutate:", err)
			os.Exit(1)
		case noticed:
			caught++
		default:
			fmt.Printf("survives: %s:%d: %s for %s\n", f.file, f.line, f.is, f.was)
		}
		if (k+1)%10 == 0 {
			fmt.Printf("%d of %d caught\n", caught, k+1)
		}
	}
	fmt.Printf("%d of %d caught\n", caught, len(all))
}

// faults are all that can be put into the code of some folders, but for tests, what
// is generated and what is made up to be looked at.
func faults(dirs []string) (out []fault, err error) {
	for _, dir := range dirs {
		err := filepath.WalkDir(dir, func(path string, d fs.DirEntry, err error) error {
			if err != nil || d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") || strings.HasSuffix(path, ".gen.go") || strings.Contains(path, "demo") {
				return err
			}
			of, err := faultsOf(path)
			out = append(out, of...)
			return err
		})
		if err != nil {
			return nil, err
		}
	}
	return out, nil
}

func faultsOf(path string) (out []fault, err error) {
	files := token.NewFileSet()
	tree, err := parser.ParseFile(files, path, nil, parser.ParseComments)
	if err != nil {
		return nil, err
	}
	// note keeps the file as it is now, while a node is changed.
	note := func(at token.Pos, was, is string) {
		var b bytes.Buffer
		if err = format.Node(&b, files, tree); err == nil {
			out = append(out, fault{path, files.Position(at).Line, was, is, b.Bytes()})
		}
	}
	ast.Inspect(tree, func(n ast.Node) bool {
		switch e := n.(type) {
		case *ast.BinaryExpr:
			if to, ok := swaps[e.Op]; ok && !joins(e) {
				was := e.Op
				e.Op = to
				note(e.OpPos, was.String(), to.String())
				e.Op = was
			}
		case *ast.BasicLit:
			if is := otherwise(e); is != "" {
				was := e.Value
				e.Value = is
				note(e.Pos(), was, is)
				e.Value = was
			}
		case *ast.ImportSpec, *ast.Field:
			return false
		}
		return err == nil
	})
	return out, err
}

// joins says whether a plus may join texts, which has no minus.
func joins(e *ast.BinaryExpr) bool {
	if e.Op != token.ADD {
		return false
	}
	text := false
	ast.Inspect(e, func(n ast.Node) bool {
		if l, ok := n.(*ast.BasicLit); ok && l.Kind == token.STRING {
			text = true
		}
		return true
	})
	return text
}

// otherwise is another number for a number; "" where there is none.
func otherwise(l *ast.BasicLit) string {
	switch l.Kind {
	case token.INT:
		if n, err := strconv.Atoi(l.Value); err == nil {
			return strconv.Itoa(n + 1)
		}
	case token.FLOAT:
		if x, err := strconv.ParseFloat(l.Value, 64); err == nil && x != 0 {
			return strconv.FormatFloat(x*1.25, 'g', -1, 64)
		}
	}
	return ""
}

// try runs the tests of a fault's package with it; what does not compile is no fault
// and counts as noticed.
func (f fault) try(each time.Duration) (noticed bool, err error) {
	dir, err := os.MkdirTemp("", "velocrustum-mutate-")
	if err != nil {
		return false, err
	}
	defer os.RemoveAll(dir)
	path, err := filepath.Abs(f.file)
	if err != nil {
		return false, err
	}
	changed, overlay := filepath.Join(dir, "changed.go"), filepath.Join(dir, "overlay.json")
	b, err := json.Marshal(map[string]map[string]string{"Replace": {path: changed}})
	if err != nil {
		return false, err
	}
	for name, raw := range map[string][]byte{changed: f.source, overlay: b} {
		if err := os.WriteFile(name, raw, 0o600); err != nil {
			return false, err
		}
	}
	ctx, cancel := context.WithTimeout(context.Background(), each)
	defer cancel()
	c := exec.CommandContext(ctx, "go", "test", "-vet=off", "-failfast", "-overlay", overlay, "./"+filepath.Dir(f.file))
	c.WaitDelay = 10 * time.Second
	return c.Run() != nil, nil
}
