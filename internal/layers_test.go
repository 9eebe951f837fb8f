// Package internal holds nothing but the check of who knows whom outside the
// core.
package internal

import (
	"go/parser"
	"go/token"
	"io/fs"
	"path"
	"path/filepath"
	"slices"
	"strings"
	"testing"
)

// below lists what each package outside the core may import of the others.
var below = map[string][]string{
	"clock":       {},
	"work":        {},
	"picture":     {},
	"kitchen":     {},
	"exchange":    {},
	"store":       {},
	"store/merge": {"store"},
	"household":   {"store", "work"},
	"session":     {"clock", "exchange", "household", "store", "work"},
	"archive":     {"clock", "exchange", "household", "picture", "store", "store/merge", "work"},
	"api":         {"archive", "clock", "exchange", "household", "picture", "session", "store", "store/merge", "work"},
	"demo":        {"picture", "store"},
	// What tests of the application stand on.
	"api/apitest": {"api", "archive", "clock", "demo", "store"},
}

func TestWhoKnowsWhom(t *testing.T) {
	err := filepath.WalkDir(".", func(file string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || !strings.HasSuffix(file, ".go") || strings.HasSuffix(file, "_test.go") {
			return err
		}
		pkg := path.Dir(filepath.ToSlash(file))
		allowed, known := below[pkg]
		if !known {
			t.Errorf("%s belongs to no known package", file)
		}
		f, err := parser.ParseFile(token.NewFileSet(), file, nil, parser.ImportsOnly)
		if err != nil {
			return err
		}
		for _, i := range f.Imports {
			name := strings.Trim(i.Path.Value, `"`)
			if of, ok := strings.CutPrefix(name, "velocrustum/internal/"); ok && !slices.Contains(allowed, of) {
				t.Errorf("%s imports %s", file, name)
			}
			if (name == "net/http" || strings.HasPrefix(name, "github.com/go-chi/")) && !slices.Contains([]string{"api", "api/apitest", "kitchen"}, pkg) {
				t.Errorf("%s imports %s: HTTP is for the interface alone", file, name)
			}
		}
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
}
