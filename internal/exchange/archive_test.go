package exchange_test

import (
	"archive/zip"
	"bytes"
	"errors"
	"fmt"
	"io"
	"iter"
	"strings"
	"testing"
	"time"

	"velocrustum/internal/exchange"
)

var made = time.Date(2026, 11, 20, 18, 0, 0, 0, time.UTC)

// twoDocuments are a small household; the second is written by hand.
func twoDocuments() iter.Seq2[exchange.Document, error] {
	return func(yield func(exchange.Document, error) bool) {
		_ = yield(exchange.Document{Path: "settings.json", Holds: map[string]string{"mass": "g"}}, nil) &&
			yield(exchange.Document{Path: "readings.csv", Write: func(w io.Writer) error {
				return exchange.ReadingsTable(w, func(add func(string, time.Time, float64) error) error {
					return errors.Join(add("tip, long", made, 61.25), add("tip, long", made.Add(1500*time.Millisecond), -4))
				})
			}}, nil)
	}
}

func archive(t testing.TB) []byte {
	t.Helper()
	var out bytes.Buffer
	if err := exchange.WriteArchive(&out, made, twoDocuments(), nil); err != nil {
		t.Fatal(err)
	}
	return out.Bytes()
}

func TestAnArchiveIsReadAsItWasWritten(t *testing.T) {
	raw := archive(t)
	if !exchange.IsArchive(raw) {
		t.Error("it is not known by its first bytes")
	}
	a, err := exchange.OpenArchive(bytes.NewReader(raw), int64(len(raw)))
	if err != nil || a.Made != "2026-11-20T18:00:00Z" || fmt.Sprint(a.Paths(".")) != "[README.txt readings.csv settings.json]" || !a.Has("settings.json") || a.Has("manifest.json") {
		t.Fatalf("%+v, %v", a, err)
	}
	if b, err := a.Read("settings.json"); err != nil || string(b) != "{\"mass\":\"g\"}\n" {
		t.Errorf("%q, %v", b, err)
	}
	r, err := a.Open("readings.csv")
	if err != nil {
		t.Fatal(err)
	}
	var got []string
	err = exchange.ReadReadings(r, func(probe string, at time.Time, c float64) error {
		got = append(got, fmt.Sprint(probe, at.Sub(made), c))
		return nil
	})
	if err != nil || fmt.Sprint(got) != "[tip, long0s 61.25 tip, long1.5s -4]" {
		t.Errorf("%q, %v", got, err)
	}
	rest := 0
	if err := a.Rest(func() { rest++ }); err != nil || rest != 1 {
		t.Errorf("%d files were left to hold against their sums, %v", rest, err)
	}
	broken := errors.New("the disk is gone")
	if err := exchange.WriteArchive(io.Discard, made, func(yield func(exchange.Document, error) bool) { yield(exchange.Document{}, broken) }, nil); !errors.Is(err, broken) {
		t.Errorf("what cannot be read is left out: %v", err)
	}
}

func FuzzArchive(f *testing.F) {
	raw := archive(f)
	f.Add(raw)
	f.Add(raw[:len(raw)-5])
	var empty bytes.Buffer
	_ = zip.NewWriter(&empty).Close()
	f.Add(empty.Bytes())
	f.Fuzz(func(t *testing.T, raw []byte) {
		a, err := exchange.OpenArchive(bytes.NewReader(raw), int64(len(raw)))
		if err == nil {
			err = a.Rest(func() {})
		}
		if refused := (exchange.RefusedError{}); err != nil && (!errors.As(err, &refused) || refused.Why == "") {
			t.Errorf("it is no refusal: %v", err)
		}
	})
}

func FuzzReadings(f *testing.F) {
	f.Add("thermometer,at,core (°C)\r\ntip,2026-11-20T18:00:00Z,61.5\r\n")
	f.Add("thermometer,at,core (°C)\n\"a\"\"b\",2026-11-20T18:00:00.5Z,-4\n")
	f.Fuzz(func(t *testing.T, in string) {
		rows := 0
		err := exchange.ReadReadings(strings.NewReader(in), func(probe string, at time.Time, c float64) error {
			if rows++; probe == "" || c != c || at.IsZero() && !strings.Contains(in, "0001") {
				t.Errorf("%q, %v, %g", probe, at, c)
			}
			return nil
		})
		if err != nil && !errors.As(err, new(exchange.RefusedError)) {
			t.Errorf("it is no refusal: %v", err)
		}
	})
}
