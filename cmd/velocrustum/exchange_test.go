package main

import (
	"archive/zip"
	"context"
	"crypto/sha256"
	"encoding/csv"
	"encoding/hex"
	"encoding/json"
	"errors"
	"io"
	"net/http"
	"os"
	"path/filepath"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/spf13/cobra"

	"velocrustum/internal/demo"
	"velocrustum/internal/exchange"
	"velocrustum/internal/store"
)

var filledIn string

// once is a made-up household, filled once for all tests.
var once = sync.OnceValues(func() (dir string, err error) {
	if dir, err = os.MkdirTemp("", "velocrustum-"); err != nil {
		return "", err
	}
	filledIn = dir
	ctx := context.Background()
	st, err := store.Open(ctx, filepath.Join(dir, "demo.db"), time.Now)
	if err != nil {
		return dir, err
	}
	return dir, errors.Join(demo.Fill(ctx, st, time.Now()), st.Close())
})

func TestMain(m *testing.M) {
	code := m.Run()
	if filledIn != "" {
		_ = os.RemoveAll(filledIn)
	}
	os.Exit(code)
}

// filled is a copy of it in a file.
func filled(t *testing.T) string {
	t.Helper()
	dir, err := once()
	if err != nil {
		t.Fatal(err)
	}
	path := filepath.Join(t.TempDir(), "demo.db")
	if err := store.Copy(t.Context(), filepath.Join(dir, "demo.db"), path); err != nil {
		t.Fatal(err)
	}
	return path
}

// another is a made-up household of which all has ids of its own.
func another(t *testing.T) string {
	t.Helper()
	path := filepath.Join(t.TempDir(), "another.db")
	st, err := store.Open(t.Context(), path, time.Now)
	if err != nil {
		t.Fatal(err)
	}
	if err := errors.Join(demo.First(t.Context(), st), st.Close()); err != nil {
		t.Fatal(err)
	}
	return path
}

func TestADishLeavesAndComesInOnTheCommandLine(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	db := filled(t)
	file := filepath.Join(t.TempDir(), "wings.md")
	if _, told, err := run(t, "", "export", "dish", "wings for six", "--as", "markdown", "--db", db, "--out", file); err != nil {
		t.Fatal(err, told)
	}
	text, err := os.ReadFile(file)
	if err != nil || !strings.Contains(string(text), "# Wings for six") {
		t.Fatalf("%.200s, %v", text, err)
	}
	out, told, err := run(t, string(text), "import", "-", "--db", db, "--dry-run")
	if err != nil || !strings.Contains(out, `It would be kept as "Wings for six"`) {
		t.Errorf("%s%s%v", out, told, err)
	}
	ld, _, err := run(t, "", "export", "dish", "Wings for six", "--db", db)
	if err != nil || !strings.Contains(ld, `"@type":"Recipe"`) && !strings.Contains(ld, `"@type": "Recipe"`) {
		t.Errorf("%.200s, %v", ld, err)
	}
	out, told, err = run(t, "Legs\nIngredients\n6 chicken drumsticks (700 g)\n1 tbsp moon dust\nMethod\nBake at 200 °C for 35 minutes, turning once.\n", "import", "-", "--db", db)
	if err != nil || !strings.Contains(out, "? 1 tbsp moon dust") || !strings.Contains(out, `Kept as "Legs"`) {
		t.Errorf("%s%s%v", out, told, err)
	}
	if _, told, err = run(t, "", "export", "dish", "Legs", "--db", db); err != nil {
		t.Errorf("what was kept does not leave: %s%v", told, err)
	}
}

// A household leaves as one file, each of its documents with its sum.
func TestAHouseholdLeavesWhole(t *testing.T) {
	db := filled(t)
	file := filepath.Join(t.TempDir(), "household.zip")
	if _, told, err := run(t, "", "export", "household", "--db", db, "--out", file); err != nil {
		t.Fatal(err, told)
	}
	z, err := zip.OpenReader(file)
	if err != nil {
		t.Fatal(err)
	}
	defer z.Close()
	held := map[string][]byte{}
	folders := map[string]int{}
	for _, f := range z.File {
		r, err := f.Open()
		if err != nil {
			t.Fatal(err)
		}
		b, err := io.ReadAll(r)
		if err != nil {
			t.Fatal(err)
		}
		held[f.Name] = b
		folder, _, _ := strings.Cut(f.Name, "/")
		folders[folder]++
		if strings.HasSuffix(f.Name, ".json") && !json.Valid(b) {
			t.Errorf("%s is no JSON", f.Name)
		}
	}
	var list exchange.Manifest
	if err := json.Unmarshal(held["manifest.json"], &list); err != nil || list.Format != "velocrustum-household" || list.Version != 1 || len(list.Files) != len(held)-1 {
		t.Fatalf("%d files, %d listed of version %d, %v", len(held), len(list.Files), list.Version, err)
	}
	for _, l := range list.Files {
		sum := sha256.Sum256(held[l.Path])
		if hex.EncodeToString(sum[:]) != l.SHA256 || len(held[l.Path]) != l.Bytes {
			t.Errorf("%s is not what is listed", l.Path)
		}
	}
	if folders["fryers"] != 3 || folders["dishes"] < 9 || folders["sessions"] != 10 || folders["readings.csv"]+folders["logbook.csv"]+folders["events.csv"] != 3 || folders["suppers"] != 2 || folders["sauces"] < 5 || folders["settings.json"] != 1 || folders["README.txt"] != 1 {
		t.Errorf("it holds %v", folders)
	}
}

// A cook is found by the logbook's table, and leaves as one of its own.
func TestACookLeavesAsATable(t *testing.T) {
	db := filled(t)
	all, told, err := run(t, "", "export", "logbook", "--db", db)
	if err != nil {
		t.Fatal(err, told)
	}
	rows, err := csv.NewReader(strings.NewReader(all)).ReadAll()
	if err != nil || len(rows) != 11 || rows[0][0] != "cook" {
		t.Fatalf("%q, %v", rows, err)
	}
	for _, what := range []string{"forecast", "events", "readings"} {
		one, told, err := run(t, "", "export", "cook", rows[5][0], "--table", what, "--db", db)
		if err != nil || !strings.HasPrefix(one, "at,minute,") {
			t.Errorf("%s: %.60q, %s%v", what, one, told, err)
		}
	}
	// A thermometer's file is looked at, and not laid.
	if out, told, err := run(t, "s,°C\n0,5\n60,7\n", "import", "-", "--cook", rows[5][0], "--dry-run", "--db", db); err != nil || !strings.Contains(out, `"within":2`) {
		t.Errorf("%s%s%v", out, told, err)
	}
	if events, _, err := run(t, "", "export", "cook", rows[5][0], "--table", "events", "--db", db); err != nil || strings.Contains(events, "left-in") {
		t.Errorf("it is laid: %s, %v", events, err)
	}
}

func TestWhatCannotLeaveOrComeIn(t *testing.T) {
	db := filled(t)
	for name, args := range map[string][]string{
		"an unknown dish":   {"export", "dish", "Nothing", "--db", db},
		"an unknown form":   {"export", "dish", "Wings for six", "--as", "pdf", "--db", db},
		"an unknown cook":   {"export", "cook", "no-such-cook", "--db", db},
		"no recipe":         {"import", "-", "--db", db},
		"an unknown fryer":  {"import", "-", "--db", db, "--fryer", "Nobody's"},
		"no such file":      {"import", filepath.Join(t.TempDir(), "none.txt"), "--db", db},
		"an unknown cook's": {"import", "-", "--db", db, "--cook", "no-such-cook"},
	} {
		in := "hello"
		if strings.HasSuffix(name, "cook's") {
			in = "0,5\n60,6\n"
		}
		if out, told, err := run(t, in, args...); !errors.Is(err, errInput) || told == "" {
			t.Errorf("%s: %q, %q, %v", name, out, told, err)
		}
	}
	if _, _, err := run(t, "", "export", "dish", "x", "--db", filepath.Join(t.TempDir(), "none.db")); err == nil || errors.Is(err, errInput) {
		t.Errorf("no database: %v", err)
	}
}

// An archive goes into another household: looked at, asked about, taken.
func TestAHouseholdComesInOnTheCommandLine(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	db := filled(t)
	file := filepath.Join(t.TempDir(), "household.zip")
	if _, told, err := run(t, "", "export", "household", "--db", db, "--out", file); err != nil {
		t.Fatal(err, told)
	}
	raw, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	other := another(t)
	out, told, err := run(t, string(raw), "import", "-", "--db", other, "--dry-run")
	if err != nil || !strings.Contains(out, "Nothing was kept.") || !strings.Contains(out, "dishes            16       0         0") {
		t.Fatalf("%s%s%v", out, told, err)
	}
	if out, told, err = run(t, "", "import", file, "--db", other); err != nil || !strings.Contains(out, "All of it is in.") {
		t.Fatalf("%s%s%v", out, told, err)
	}
	// Two things are changed here since.
	st, err := store.Open(t.Context(), other, time.Now)
	if err != nil {
		t.Fatal(err)
	}
	for _, name := range []string{"Wings for six", "Harissa drumsticks"} {
		plans, err := st.Plans(t.Context())
		if err != nil {
			t.Fatal(err)
		}
		for _, p := range plans {
			if p.Name == name && strings.Contains(string(raw), p.ID) {
				p.Program.V.PreheatMin++
				if _, err := st.PutPlan(t.Context(), p, nil); err != nil {
					t.Fatal(err)
				}
			}
		}
	}
	if err := st.Close(); err != nil {
		t.Fatal(err)
	}
	for name, c := range map[string]struct {
		in   string
		args []string
		says string
	}{
		"nobody answers":         {"", []string{file}, "2 things are here already, but not alike"},
		"from standard input":    {string(raw), []string{"-"}, "--different keep, take or both"},
		"an unknown choice":      {"", []string{file, "--different", "all"}, "allowed: ask, keep, take, both"},
		"a broken archive":       {string(raw[:len(raw)/2]), []string{"-"}, "its end is missing"},
		"answered by half":       {"k\n", []string{file}, "nothing was kept"},
		"a table, far too large": {strings.Repeat("x", mostRead+1), []string{"-"}, "larger than 4 MB"},
	} {
		out, told, err := run(t, c.in, append([]string{"import", "--db", other}, c.args...)...)
		if !errors.Is(err, errInput) || !strings.Contains(told, c.says) {
			t.Errorf("%s: %s%s%v", name, out, told, err)
		}
	}
	if out, told, err = run(t, "no\nt\nb\n", "import", file, "--db", other); err != nil || !strings.Contains(out, "is now as it came") || !strings.Contains(out, "is here twice") {
		t.Errorf("%s%s%v", out, told, err)
	}
	if out, told, err = run(t, "K\n", "import", file, "--db", other); err != nil || !strings.Contains(out, "stays as it is here") && !strings.Contains(out, "0         0") {
		t.Errorf("%s%s%v", out, told, err)
	}
	if _, _, err := run(t, "", "export", "household", "--db", db, "--out", filepath.Join(t.TempDir(), "no", "folder.zip")); err == nil {
		t.Error("written where there is no folder")
	}
}

// A busy database is asked again, and what to do is said where it stays busy.
func TestABusyDatabaseIsAskedAgain(t *testing.T) {
	was := pauses
	pauses = []time.Duration{time.Millisecond, time.Millisecond}
	defer func() { pauses = was }()
	for _, c := range []struct {
		busy, asked int
		says        string
	}{{2, 3, ""}, {9, 3, "run this again"}} {
		asked := 0
		h := http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) {
			if asked++; asked <= c.busy {
				w.WriteHeader(http.StatusServiceUnavailable)
				return
			}
			_, _ = w.Write([]byte("[]"))
		})
		cmd := &cobra.Command{}
		cmd.SetContext(t.Context())
		got, err := again(cmd, h, http.MethodGet, "/fryers", nil)
		if asked != c.asked || c.says == "" && (err != nil || string(got) != "[]") || c.says != "" && (err == nil || !strings.Contains(err.Error(), c.says)) {
			t.Errorf("busy %d times: asked %d times, %q, %v", c.busy, asked, got, err)
		}
	}
}
