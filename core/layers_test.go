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
	"units":    {},
	"refuse":   {},
	"safety":   {},
	"thermal":  {},
	"crust":    {},
	"larder":   {"refuse"},
	"pan":      {"larder", "refuse", "units"},
	"food":     {"larder", "refuse", "safety", "thermal"},
	"fryer":    {"thermal"},
	"load":     {"crust", "food", "fryer", "larder", "refuse", "safety", "thermal", "units"},
	"run":      {"crust", "fryer", "load", "safety", "thermal"},
	"ensemble": {"fryer", "load", "refuse", "run", "units"},
	"verdict":  {"crust", "ensemble", "food", "fryer", "load", "run", "safety", "units"},
	"advise":   {"crust", "ensemble", "load", "refuse", "run", "units", "verdict"},
	"baskets":  {"advise", "crust", "ensemble", "load", "refuse", "run", "units", "verdict"},
	"belief":   {"ensemble", "fryer", "load", "refuse", "run", "units", "verdict"},
	"learn":    {"belief", "crust", "ensemble", "fryer", "load", "refuse", "run", "units"},
	"prep":     {"food", "larder", "load", "pan", "refuse", "run", "safety", "thermal", "units", "verdict"},
	"recipe":   {"advise", "baskets", "food", "larder", "load", "pan", "prep", "refuse", "units", "verdict"},
	"sheet":    {"advise", "baskets", "crust", "food", "larder", "load", "pan", "prep", "refuse", "run", "units"},
	"cook":     {"belief", "larder", "load", "refuse", "run", "safety", "sheet", "units", "verdict"},
}

func TestArrowsPointDownward(t *testing.T) {
	err := filepath.WalkDir(".", func(path string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
			return err
		}
		layer, rest, _ := strings.Cut(filepath.ToSlash(path), "/")
		if folder, _, inside := strings.Cut(rest, "/"); inside && strings.HasSuffix(folder, "test") {
			return nil // what tests are held to
		}
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
