// Package apitest is a kitchen to test the application in: the handler over a fresh
// household, with a clock that the test moves.
package apitest

import (
	"context"
	"encoding/json"
	"log/slog"
	"net/http/httptest"
	"os"
	"path/filepath"
	"strings"
	"sync"
	"testing"
	"testing/fstest"
	"time"

	"velocrustum/internal/api"
	"velocrustum/internal/clock"
	"velocrustum/internal/demo"
	"velocrustum/internal/store"
)

// Kitchen is a server over a fresh demo household with a clock that the
// test moves.
type Kitchen struct {
	T       testing.TB
	Handler *api.App
	mu      sync.Mutex
	now     time.Time
	passed  time.Duration
}

var Opened = time.Date(2026, 11, 20, 18, 0, 0, 0, time.UTC)

// household is the demo household's files, filled once for all kitchens, by
// what follows the database's name.
var household = sync.OnceValues(func() (map[string][]byte, error) {
	dir, err := os.MkdirTemp("", "velocrustum-")
	if err != nil {
		return nil, err
	}
	defer os.RemoveAll(dir)
	ctx := context.Background()
	st, err := store.Open(ctx, filepath.Join(dir, "filled.db"), func() time.Time { return Opened })
	if err != nil {
		return nil, err
	}
	defer st.Close()
	if err := demo.Fill(ctx, st, Opened); err != nil {
		return nil, err
	}
	copied := filepath.Join(dir, "copy.db")
	if err := st.Backup(ctx, copied); err != nil {
		return nil, err
	}
	files := map[string][]byte{}
	pictures, err := filepath.Glob(copied + ".pictures/*")
	for _, path := range append(pictures, copied) {
		if err == nil {
			files[strings.TrimPrefix(path, copied)], err = os.ReadFile(path)
		}
	}
	return files, err
})

// nothingKept is a database of which nothing is kept yet, made once.
var nothingKept = sync.OnceValues(func() ([]byte, error) {
	dir, err := os.MkdirTemp("", "velocrustum-")
	if err != nil {
		return nil, err
	}
	defer os.RemoveAll(dir)
	path := filepath.Join(dir, "empty.db")
	st, err := store.Open(context.Background(), path, func() time.Time { return Opened })
	if err != nil {
		return nil, err
	}
	if err := st.Close(); err != nil {
		return nil, err
	}
	return os.ReadFile(path)
})

// openEmpty opens a copy of it.
func openEmpty(ctx context.Context, path string, now func() time.Time) (*store.Store, error) {
	empty, err := nothingKept()
	if err != nil {
		return nil, err
	}
	if err := os.WriteFile(path, empty, 0o600); err != nil {
		return nil, err
	}
	return store.Open(ctx, path, now)
}

// openFilled opens a copy of the demo household.
func openFilled(ctx context.Context, path string, now func() time.Time) (*store.Store, error) {
	filled, err := household()
	if err != nil {
		return nil, err
	}
	if err := os.MkdirAll(path+".pictures", 0o700); err != nil {
		return nil, err
	}
	for suffix, b := range filled {
		if err := os.WriteFile(path+suffix, b, 0o600); err != nil {
			return nil, err
		}
	}
	return store.Open(ctx, path, now)
}

// New is a kitchen of the demo household; with a passphrase, one that asks for it.
func New(t testing.TB, passphrase string) *Kitchen {
	t.Helper()
	return over(t, passphrase, openFilled)
}

// Empty is one of which nothing is kept yet.
func Empty(t testing.TB) *Kitchen {
	t.Helper()
	return over(t, "", openEmpty)
}

// over is one over a database.
func over(t testing.TB, passphrase string, open func(context.Context, string, func() time.Time) (*store.Store, error)) *Kitchen {
	t.Helper()
	k := &Kitchen{T: t, now: Opened}
	st, err := open(t.Context(), filepath.Join(t.TempDir(), "kitchen.db"), k.Clock)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = st.Close() })
	files := fstest.MapFS{
		"index.html":      {Data: []byte(`<html><head><meta nonce="__CSP_NONCE__"><script nonce="__CSP_NONCE__"></script></head></html>`)},
		"manifest.json":   {Data: []byte(`{"src/plan/PlanPage.tsx": {"file": "assets/plan-2.js", "imports": ["_a"]}, "_a": {"file": "assets/a-1.js", "imports": ["_a"]}}`)},
		"assets/a-1.js":   {Data: []byte("1")},
		"favicon-32.webp": {Data: []byte("x")},
	}
	k.Handler, err = api.NewHandler(st, api.Options{Files: files, Clock: clock.New(k.Clock, k.Count), Passphrase: passphrase,
		LAN: &api.LAN{URL: "http://192.168.1.20:8642", Passphrase: "wasabi-pea"},
		Demo: func(ctx context.Context) (*store.Store, func(), error) {
			st, err := openFilled(ctx, filepath.Join(t.TempDir(), "demo.db"), k.Clock)
			return st, func() { _ = st.Close() }, err
		},
		Longest: time.Hour, // of a busy machine too
		Log:     slog.New(slog.DiscardHandler)})
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(k.Handler.Close)
	return k
}

// Clock is what its clock shows.
func (k *Kitchen) Clock() time.Time {
	k.mu.Lock()
	defer k.mu.Unlock()
	return k.now
}

// Wait lets time pass.
func (k *Kitchen) Wait(d time.Duration) {
	k.mu.Lock()
	defer k.mu.Unlock()
	k.now, k.passed = k.now.Add(d), k.passed+d
}

// Set sets the computer's clock on or back.
func (k *Kitchen) Set(d time.Duration) {
	k.mu.Lock()
	defer k.mu.Unlock()
	k.now = k.now.Add(d)
}

// Count is how much has passed, whatever the clock was set to.
func (k *Kitchen) Count() time.Duration {
	k.mu.Lock()
	defer k.mu.Unlock()
	return k.passed
}

// Send sends one request and returns the answer. The answer's body is
// checked against the contract.
func (k *Kitchen) Send(method, path, body string, header ...string) *httptest.ResponseRecorder {
	k.T.Helper()
	r := httptest.NewRequest(method, "http://localhost"+path, strings.NewReader(body))
	if body != "" {
		r.Header.Set("Content-Type", "application/json")
	}
	for i := 0; i+1 < len(header); i += 2 {
		r.Header.Set(header[i], header[i+1])
	}
	w := httptest.NewRecorder()
	k.Handler.ServeHTTP(w, r)
	return w
}

// Get sends and decodes into T, and fails unless the status is as wanted.
func Get[T any](k *Kitchen, status int, method, path, body string, header ...string) (out T) {
	k.T.Helper()
	w := k.Send(method, path, body, header...)
	if w.Code != status {
		k.T.Fatalf("%s %s: %d %s, want %d", method, path, w.Code, w.Body, status)
	}
	if w.Body.Len() > 0 {
		if err := json.Unmarshal(w.Body.Bytes(), &out); err != nil {
			k.T.Fatalf("%s %s: %v in %s", method, path, err, w.Body)
		}
	}
	return out
}
