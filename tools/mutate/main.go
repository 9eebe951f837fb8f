// Mutate puts small faults into the code, one at a time, and says which of them no
// test notices: of their package, and of those that hold many figures at once in the
// packages that use it and in the whole application.
// Nothing is changed on the disk: each fault is laid over its file for one run of
// the tests.
package main

import (
	"bytes"
	"cmp"
	"encoding/json"
	"flag"
	"fmt"
	"go/ast"
	"go/format"
	"go/token"
	"go/types"
	"math/rand/v2"
	"os"
	"os/exec"
	"path/filepath"
	"slices"
	"strconv"
	"strings"
	"time"

	"golang.org/x/tools/go/packages"
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

// against are the comparisons that are taken for each other of what is measured, which
// is as good as never just at the border.
var against = map[token.Token]token.Token{token.LSS: token.GEQ, token.GEQ: token.LSS, token.GTR: token.LEQ, token.LEQ: token.GTR}

// measured says whether a type is one of figures with a fraction.
func measured(t types.Type) bool {
	b, ok := t.Underlying().(*types.Basic)
	return ok && b.Info()&types.IsFloat != 0
}

func main() {
	n := flag.Int("n", 100, "how many faults are tried")
	seed := flag.Uint64("seed", uint64(time.Now().UnixNano()%1_000_000), "which: the same number tries the same ones")
	each := flag.Duration("each", 4*time.Minute, "how long the tests of a package may take; longer counts as noticed")
	near := flag.Bool("near", false, "only the tests of a fault's own package: sooner, and fewer are noticed")
	dirs := flag.String("in", "core,internal", "folders, with commas between")
	flag.Parse()
	all, err := faults(strings.Split(*dirs, ","))
	if err != nil {
		fmt.Fprintln(os.Stderr, "mutate:", err)
		os.Exit(1)
	}
	r := rand.New(rand.NewPCG(*seed, 1))
	r.Shuffle(len(all), func(i, k int) { all[i], all[k] = all[k], all[i] })
	using, err := users()
	if err != nil {
		fmt.Fprintln(os.Stderr, "mutate:", err)
		os.Exit(1)
	}
	if *near {
		for of, by := range using {
			using[of] = slices.DeleteFunc(by, func(p string) bool { return p != of })
		}
	}
	fmt.Printf("%d faults of seed %d\n", min(*n, len(all)), *seed)
	caught, tried := 0, 0
	for _, f := range all {
		if tried == *n {
			break
		}
		found, err := f.try(*each, using)
		if err != nil {
			fmt.Fprintln(os.Stderr, "mutate:", err)
			os.Exit(1)
		}
		if found == notCode {
			continue
		}
		tried++
		switch found {
		case survives:
			fmt.Printf("survives: %s:%d: %s for %s\n", f.file, f.line, f.is, f.was)
		case late:
			fmt.Printf("too long: %s:%d: %s for %s\n", f.file, f.line, f.is, f.was)
			fallthrough
		case noticed:
			caught++
		}
		if tried%10 == 0 {
			fmt.Printf("%d of %d caught\n", caught, tried)
		}
	}
	fmt.Printf("%d of %d caught\n", caught, tried)
}

// faults are all that can be put into the code of some folders, but for tests, what
// is generated and what is made up to be looked at.
func faults(dirs []string) (out []fault, err error) {
	var patterns []string
	for _, dir := range dirs {
		patterns = append(patterns, "./"+dir+"/...")
	}
	all, err := packages.Load(&packages.Config{Mode: packages.NeedName | packages.NeedFiles | packages.NeedSyntax | packages.NeedTypes | packages.NeedTypesInfo | packages.NeedImports | packages.NeedDeps}, patterns...)
	if err != nil {
		return nil, err
	}
	here, err := os.Getwd()
	if err != nil {
		return nil, err
	}
	for _, p := range all {
		for _, e := range p.Errors {
			return nil, e
		}
		for _, tree := range p.Syntax {
			path, err := filepath.Rel(here, p.Fset.Position(tree.Pos()).Filename)
			if err != nil {
				return nil, err
			}
			if strings.HasSuffix(path, ".gen.go") || strings.Contains(path, "demo") || strings.HasSuffix(filepath.Dir(path), "test") {
				continue
			}
			of, err := faultsOf(path, p, tree)
			if err != nil {
				return nil, err
			}
			out = append(out, of...)
		}
	}
	slices.SortStableFunc(out, func(a, b fault) int { return cmp.Compare(a.file, b.file) })
	return out, nil
}

func faultsOf(path string, p *packages.Package, tree *ast.File) (out []fault, err error) {
	files := p.Fset
	// note keeps the file as it is now, while a node is changed.
	note := func(at token.Pos, was, is string) {
		var b bytes.Buffer
		if err = format.Node(&b, files, tree); err == nil {
			out = append(out, fault{path, files.Position(at).Line, was, is, b.Bytes()})
		}
	}
	room := map[ast.Node]bool{} // that is only set aside
	ast.Inspect(tree, func(n ast.Node) bool {
		if room[n] {
			return false
		}
		switch e := n.(type) {
		case *ast.BinaryExpr:
			to, ok := swaps[e.Op]
			if measured(p.TypesInfo.TypeOf(e.X)) {
				to = cmp.Or(against[e.Op], to)
			}
			if ok && !(e.Op == token.ADD && joins(p.TypesInfo.TypeOf(e.X))) {
				was := e.Op
				e.Op = to
				note(e.OpPos, was.String(), to.String())
				e.Op = was
			}
		case *ast.ArrayType: // one that is longer, or has more room, holds the same
			return false
		case *ast.CallExpr:
			if name, ok := e.Fun.(*ast.Ident); ok && name.Name == "make" && len(e.Args) == 3 {
				room[e.Args[2]] = true
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

// joins says whether a plus joins texts, which has no minus.
func joins(t types.Type) bool {
	b, ok := t.Underlying().(*types.Basic)
	return ok && b.Info()&types.IsString != 0
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

// whole are the packages whose tests ask the whole application.
var whole = []string{"velocrustum/internal/api", "velocrustum/internal/session"}

// golden are the tests that hold many figures at once: they are tried first.
const golden = "AsItWas|AsTheyWere|ThatWereRead|Golden"

// users are the packages whose tests are tried for each, by its import path: its own,
// those that use it, the whole application. Whatever has no tests is left out.
func users() (map[string][]string, error) {
	raw, err := exec.Command("go", "list", "-json=ImportPath,Imports,TestImports,XTestImports,TestGoFiles,XTestGoFiles", "./core/...", "./internal/...").Output()
	if err != nil {
		return nil, fmt.Errorf("listing the packages: %w", err)
	}
	by, tested, all := map[string][]string{}, map[string]bool{}, []string{}
	for d := json.NewDecoder(bytes.NewReader(raw)); d.More(); {
		var p struct {
			ImportPath                                                    string
			Imports, TestImports, XTestImports, TestGoFiles, XTestGoFiles []string
		}
		if err := d.Decode(&p); err != nil {
			return nil, err
		}
		all, tested[p.ImportPath] = append(all, p.ImportPath), len(p.TestGoFiles)+len(p.XTestGoFiles) > 0
		for _, i := range slices.Concat(p.Imports, p.TestImports, p.XTestImports) {
			by[i] = append(by[i], p.ImportPath)
		}
	}
	out := map[string][]string{}
	for _, of := range all {
		tries := slices.Concat([]string{of}, by[of])
		slices.Sort(tries[1:])
		for _, last := range whole {
			tries = append(slices.DeleteFunc(slices.Compact(tries), func(p string) bool { return p == last && p != of }), last)
		}
		tries = slices.Compact(tries)
		out[of] = slices.DeleteFunc(tries, func(p string) bool { return !tested[p] })
	}
	return out, nil
}

// What is found of a fault: no test saw it, one did, one never ended with it, or it
// does not compile and is none.
type finding int

const (
	survives finding = iota
	noticed
	late
	notCode
)

// try runs the tests of a fault's package with it, and of those that use it until one
// notices.
func (f fault) try(each time.Duration, using map[string][]string) (finding, error) {
	dir, err := os.MkdirTemp("", "velocrustum-mutate-")
	if err != nil {
		return survives, err
	}
	defer os.RemoveAll(dir)
	path, err := filepath.Abs(f.file)
	if err != nil {
		return survives, err
	}
	changed, overlay := filepath.Join(dir, "changed.go"), filepath.Join(dir, "overlay.json")
	b, err := json.Marshal(map[string]map[string]string{"Replace": {path: changed}})
	if err != nil {
		return survives, err
	}
	for name, raw := range map[string][]byte{changed: f.source, overlay: b} {
		if err := os.WriteFile(name, raw, 0o600); err != nil {
			return survives, err
		}
	}
	// test is what tests say of the fault.
	test := func(args ...string) finding {
		c := exec.Command("go", append([]string{"test", "-vet=off", "-failfast", "-timeout", each.String(), "-overlay", overlay}, args...)...)
		said, err := c.CombinedOutput()
		switch {
		case err == nil:
			return survives
		case bytes.Contains(said, []byte("[build failed]")):
			return notCode
		case bytes.Contains(said, []byte("test timed out")):
			return late
		}
		return noticed
	}
	of := using["velocrustum/"+filepath.ToSlash(filepath.Dir(f.file))]
	if len(of) == 0 {
		return survives, nil
	}
	tries := [][]string{{"-run", golden, of[0]}, {of[0]}}
	if len(of) > 1 {
		// What does not use it is as it was, and is not run again.
		tries = append(tries, append([]string{"-run", golden}, of[1:]...), []string{"-short", "./core/...", "./internal/..."})
	}
	for _, args := range tries {
		if found := test(args...); found != survives {
			return found, nil
		}
	}
	return survives, nil
}
