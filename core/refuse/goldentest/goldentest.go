// Package goldentest holds what a package answers to what was read and found right, so
// that no figure changes unnoticed. What is meant to change is written anew with
// VELOCRUSTUM_GOLDEN=1, and read as a change of the file.
package goldentest

import (
	"bufio"
	"bytes"
	"encoding/json"
	"fmt"
	"math"
	"os"
	"path/filepath"
	"sort"
	"strconv"
	"strings"
	"testing"
)

// slip is what two figures may differ by: machines round differently.
const slip = 2e-4

// most is how long a list is of which every member is looked at.
const most = 24

// A File is what was read, a line a figure.
type File struct{ lines []string }

// Add puts an answer into it, under a name: each of its figures and words in a line.
func (f *File) Add(t testing.TB, name string, answer any) {
	t.Helper()
	raw, err := json.Marshal(answer)
	if err != nil {
		t.Fatalf("%s: %v", name, err)
	}
	d := json.NewDecoder(bytes.NewReader(raw))
	d.UseNumber()
	var v any
	if err := d.Decode(&v); err != nil {
		t.Fatalf("%s: %v", name, err)
	}
	f.walk(name, v)
}

// Addf puts in what JSON does not have.
func (f *File) Addf(name, format string, args ...any) {
	f.lines = append(f.lines, name+"\t"+strings.ReplaceAll(fmt.Sprintf(format, args...), "\n", " / "))
}

func (f *File) walk(at string, v any) {
	switch v := v.(type) {
	case map[string]any:
		names := make([]string, 0, len(v))
		for k := range v {
			names = append(names, k)
		}
		sort.Strings(names)
		for _, k := range names {
			f.walk(at+"."+k, v[k])
		}
	case []any:
		// Of a long line some points tell whether it is the same.
		step := 1
		if len(v) > most {
			step = len(v)/6 + 1
		}
		for i := 0; i < len(v); i += step {
			f.walk(fmt.Sprintf("%s[%d]", at, i), v[i])
		}
	case nil, bool:
		f.Addf(at, "%v", v)
	case json.Number:
		x, err := v.Float64()
		if err != nil {
			f.Addf(at, "%s", v)
			return
		}
		f.Addf(at, "%s", strconv.FormatFloat(x, 'g', 6, 64))
	default:
		f.Addf(at, "%q", v)
	}
}

// Same compares it with testdata/name, or writes that where it is asked for.
func (f *File) Same(t *testing.T, name string) {
	t.Helper()
	path := filepath.Join("testdata", name)
	if os.Getenv("VELOCRUSTUM_GOLDEN") != "" {
		if err := os.MkdirAll("testdata", 0o755); err != nil {
			t.Fatal(err)
		}
		if err := os.WriteFile(path, []byte(strings.Join(f.lines, "\n")+"\n"), 0o644); err != nil {
			t.Fatal(err)
		}
		return
	}
	file, err := os.Open(path)
	if err != nil {
		t.Fatal(err)
	}
	defer file.Close()
	s := bufio.NewScanner(file)
	s.Buffer(nil, 1<<20)
	n, wrong := 0, 0
	for s.Scan() {
		if n >= len(f.lines) {
			t.Fatalf("%s has more: %s", path, s.Text())
		}
		if !alike(s.Text(), f.lines[n]) {
			t.Errorf("%s:%d: was %s\nis %s", path, n+1, s.Text(), f.lines[n])
			if wrong++; wrong > 5 {
				t.FailNow()
			}
		}
		n++
	}
	if err := s.Err(); err != nil {
		t.Fatal(err)
	}
	if n < len(f.lines) {
		t.Errorf("%s has no %s", path, f.lines[n])
	}
}

// alike says whether two lines are the same but for what a figure's last digits are.
func alike(a, b string) bool {
	if a == b {
		return true
	}
	nameA, valueA, _ := strings.Cut(a, "\t")
	nameB, valueB, _ := strings.Cut(b, "\t")
	x, errX := strconv.ParseFloat(valueA, 64)
	y, errY := strconv.ParseFloat(valueB, 64)
	return nameA == nameB && errX == nil && errY == nil && math.Abs(x-y) <= slip*math.Max(1e-3, math.Max(math.Abs(x), math.Abs(y)))
}
