// Package core holds nothing but the check that its layers point downward.
package core

import (
	"go/parser"
	"go/token"
	"io/fs"
	"path/filepath"
	"slices"
	"strings"
	"testing"
)

// below lists what each layer of the core may import of the others.
var below = map[string][]string{
	"units":   {},
	"refuse":  {},
	"safety":  {},
	"thermal": {},
	"crust":   {},
	"larder":  {"refuse"},
	"pan":     {"larder", "refuse", "units"},
	"food":    {"larder", "refuse", "safety", "thermal"},
	"fryer":   {"thermal"},
	"program": {"crust", "food", "fryer", "larder", "refuse", "safety", "thermal", "units"},
	"sheet":   {"crust", "food", "larder", "pan", "prep", "program", "refuse", "units"},
	"cook":    {"larder", "program", "refuse", "safety", "sheet", "units"},
	"recipe":  {"food", "larder", "pan", "prep", "program", "refuse", "units"},
	"prep":    {"food", "larder", "pan", "program", "refuse", "safety", "thermal", "units"},
}

func TestArrowsPointDownward(t *testing.T) {
	err := filepath.WalkDir(".", func(path string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
			return err
		}
		layer, _, _ := strings.Cut(filepath.ToSlash(path), "/")
		allowed, known := below[layer]
		if !known {
			t.Errorf("%s belongs to no known layer", path)
		}
		f, err := parser.ParseFile(token.NewFileSet(), path, nil, parser.ImportsOnly)
		if err != nil {
			return err
		}
		for _, i := range f.Imports {
			name := strings.Trim(i.Path.Value, `"`)
			if rest, ok := strings.CutPrefix(name, "velocrustum/"); ok {
				if !slices.Contains(allowed, strings.TrimPrefix(rest, "core/")) {
					t.Errorf("%s imports %s", path, name)
				}
			} else if strings.HasPrefix(name, "gonum.org/") || name == "golang.org/x/sync/errgroup" {
				continue // arithmetic; work shared over cores
			} else if strings.Contains(name, ".") || strings.HasPrefix(name, "net") || strings.HasPrefix(name, "database") || name == "os" {
				t.Errorf("%s imports %s: the core knows no network, database, file or other module", path, name)
			}
		}
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
}
