package api

import (
	"bytes"
	"crypto/rand"
	"encoding/json"
	"errors"
	"fmt"
	"io/fs"
	"net/http"
	"path"
	"slices"
	"strings"

	"github.com/go-chi/chi/v5/middleware"
	"github.com/vearutop/statigz"
)

const (
	csp = "default-src 'none'; script-src 'self' 'nonce-%'; style-src 'self' 'nonce-%'; style-src-attr 'none'; " +
		"img-src 'self' data:; media-src data:; font-src 'self'; connect-src 'self'; manifest-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'"
	nonceMark = "__CSP_NONCE__"
	// noInterface is the page of a program without its interface.
	noInterface = "<!doctype html><html lang=en><title>Velocrustum</title><h1>The interface is not built</h1><p>Run <code>make demo</code>. The programming interface under /api/v1 works without it."
)

// views are the scripts of the pages, by the first part of their address;
// any other address leads to the plan.
var views = map[string]string{
	"bench": "src/bench/BenchPage.tsx", "cook": "src/cook/CookPage.tsx", "logbook": "src/logbook/LogbookPage.tsx",
	"fryers": "src/fryers/FryersPage.tsx", "household": "src/household/HouseholdPage.tsx", "pantry": "src/pantry/PantryPage.tsx", "plan": "src/plan/PlanPage.tsx",
}

// askedFirst is what every page asks for before it can draw: on a slow line
// it is on its way before the script that asks has arrived.
var askedFirst = []string{"catalog", "settings", "fryers", "plans"}

// chunk is one script in the build's manifest.
type chunk struct {
	File    string   `json:"file"`
	Imports []string `json:"imports"`
}

// scripts lists the files of one view and of all that it imports.
func scripts(manifest map[string]chunk, view string) []string {
	var files, seen []string
	var walk func(name string)
	walk = func(name string) {
		c, ok := manifest[name]
		if !ok || slices.Contains(seen, name) {
			return
		}
		seen = append(seen, name)
		files = append(files, c.File)
		for _, i := range c.Imports {
			walk(i)
		}
	}
	walk(view)
	return files
}

// pages returns the one page as it is served for each view: with the
// scripts of the view and what it asks first named in its head, for a
// household under a first part of the address.
func pages(files fs.FS, under string) (map[string]string, error) {
	page, err := fs.ReadFile(files, "index.html")
	if errors.Is(err, fs.ErrNotExist) {
		return map[string]string{"plan": noInterface}, nil
	} else if err != nil {
		return nil, err
	}
	manifest := map[string]chunk{}
	built, err := fs.ReadFile(files, "manifest.json")
	if err == nil {
		err = json.Unmarshal(built, &manifest)
	}
	if err != nil && !errors.Is(err, fs.ErrNotExist) {
		return nil, fmt.Errorf("reading the build's manifest: %w", err)
	}
	all := map[string]string{}
	for name, view := range views {
		var ahead strings.Builder
		for _, ask := range askedFirst {
			fmt.Fprintf(&ahead, `<link rel="preload" as="fetch" crossorigin href="%s/api/v1/%s">`, under, ask)
		}
		for _, file := range scripts(manifest, view) {
			if !bytes.Contains(page, []byte(file)) {
				fmt.Fprintf(&ahead, `<link rel="modulepreload" crossorigin href="/%s" nonce="%s">`, file, nonceMark)
			}
		}
		all[name] = strings.Replace(string(page), "</head>", ahead.String()+"</head>", 1)
	}
	return all, nil
}

// interfaceFiles serves the built files, and the one page for all paths
// without an ending. A missing file stays missing.
func interfaceFiles(files fs.FS, under string) (http.HandlerFunc, error) {
	byView, err := pages(files, under)
	if err != nil {
		return nil, err
	}
	whole := http.FileServerFS(files)
	if dir, ok := files.(fs.ReadDirFS); ok {
		// Scripts and styles lie compressed beside the whole ones.
		whole = statigz.FileServer(dir)
	}
	page := middleware.Compress(5)(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		first, _, _ := strings.Cut(strings.TrimPrefix(r.URL.Path, "/"), "/")
		text, ok := byView[first]
		if !ok {
			text = byView["plan"]
		}
		nonce := rand.Text()
		w.Header().Set("Content-Security-Policy", strings.ReplaceAll(csp, "%", nonce))
		w.Header().Set("Content-Type", "text/html; charset=utf-8")
		w.Header().Set("Cache-Control", "no-store")
		_, _ = w.Write([]byte(strings.ReplaceAll(text, nonceMark, nonce)))
	}))
	return func(w http.ResponseWriter, r *http.Request) {
		if r.Method != http.MethodGet && r.Method != http.MethodHead {
			w.Header().Set("Allow", "GET, HEAD")
			writeProblem(w, Problem{Status: http.StatusMethodNotAllowed, Title: "This can only be read"})
			return
		}
		w.Header().Set("Referrer-Policy", "no-referrer")
		if ext := path.Ext(r.URL.Path); ext == "" || ext == ".html" {
			page.ServeHTTP(w, r)
			return
		}
		if strings.HasPrefix(r.URL.Path, "/assets/") {
			w.Header().Set("Cache-Control", "public, max-age=31536000, immutable")
		}
		whole.ServeHTTP(w, r)
	}, nil
}
