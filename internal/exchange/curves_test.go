package exchange

import (
	"bytes"
	"encoding/csv"
	"math"
	"slices"
	"strings"
	"testing"
	"time"

	"velocrustum/core/belief"
	"velocrustum/core/cook"
	"velocrustum/core/load"
	"velocrustum/core/run"
)

var loaded = time.Date(2026, 11, 20, 18, 4, 0, 0, time.UTC)

func rows(t *testing.T, b *bytes.Buffer) [][]string {
	t.Helper()
	if !strings.Contains(b.String(), "\r\n") {
		t.Error("lines end otherwise than RFC 4180 has them")
	}
	all, err := csv.NewReader(b).ReadAll()
	if err != nil {
		t.Fatal(err)
	}
	return all
}

// What is written of a cook is a tidy table, and its readings come in again as
// a logger's file.
func TestTablesOfACook(t *testing.T) {
	var b bytes.Buffer
	line := []run.Moment{{Minute: 0, CoreC: 4, AirC: 180}, {Minute: 0.5, CoreC: 4.126, AirC: 179.9}}
	if err := Forecast(&b, loaded, []Line{{Moments: line}}); err != nil {
		t.Fatal(err)
	}
	if got := rows(t, &b); len(got) != 3 || got[0][3] != "core (°C)" || got[2][0] != "2026-11-20T18:04:30Z" || got[2][3] != "4.13" {
		t.Errorf("forecast: %v", got)
	}
	b.Reset()
	l := cook.Live{Program: load.Program{Stages: []load.Stage{{AirC: 180, Minutes: 20}}}, Events: []cook.Event{
		{ID: "a", Kind: cook.Loaded, At: loaded}, {ID: "b", Kind: cook.Probe, At: loaded.Add(9 * time.Minute), Value: 48.5}, {ID: "c", Kind: cook.Out, At: loaded.Add(20 * time.Minute)}}}
	if err := Events(&b, l); err != nil {
		t.Fatal(err)
	}
	if got := rows(t, &b); len(got) != 4 || got[2][1] != "9" || got[2][3] != "48.5" || got[2][4] != "°C" || got[3][2] != "out" || got[3][3] != "" {
		t.Errorf("events: %v", got)
	}
	b.Reset()
	seen := []belief.Evidence{{AtMin: 2, Kind: belief.SeenLeftIn, C: 6.25}, {AtMin: 3, Kind: belief.SeenLook, Shade: "gold"}, {AtMin: 9, Kind: belief.SeenProbe, C: 48.5}}
	if err := Readings(&b, l, loaded, seen); err != nil {
		t.Fatal(err)
	}
	again, err := Logger(b.Bytes(), time.UTC)
	if err != nil || len(again.Reads) != 2 || again.Begun == nil || !again.Begun.Equal(loaded.Add(2*time.Minute)) || math.Abs(again.Reads[1].AfterS-420) > 0.5 || again.Reads[1].C != 48.5 {
		t.Errorf("in again: %+v, %v", again, err)
	}
}

// Each lot has its own rows, by its name.
func TestTablesOfLots(t *testing.T) {
	l := cook.Live{Lots: []cook.LotIn{{Name: "wings"}, {Name: "prawns"}}, Program: load.Program{Stages: []load.Stage{{AirC: 180, Minutes: 20}}}, Events: []cook.Event{
		{ID: "a", Kind: cook.Loaded, At: loaded}, {ID: "b", Kind: cook.Probe, At: loaded.Add(9 * time.Minute), Value: 48.5, Lot: 1}, {ID: "c", Kind: cook.Look, At: loaded.Add(10 * time.Minute), Value: 2, Where: load.AtBack}}}
	of := func(column string, write func(b *bytes.Buffer) error) (out []string) {
		t.Helper()
		var b bytes.Buffer
		if err := write(&b); err != nil {
			t.Fatal(err)
		}
		all := rows(t, &b)
		for _, row := range all {
			out = append(out, row[slices.Index(all[0], column)])
		}
		return out
	}
	lot := func(write func(b *bytes.Buffer) error) []string { return of("lot", write) }
	for what, c := range map[string]struct{ got, want []string }{
		"forecast": {lot(func(b *bytes.Buffer) error {
			return Forecast(b, loaded, []Line{{"wings", make([]run.Moment, 2)}, {"prawns", make([]run.Moment, 1)}})
		}), []string{"lot", "wings", "wings", "prawns"}},
		"events":       {lot(func(b *bytes.Buffer) error { return Events(b, l) }), []string{"lot", "", "prawns", "wings"}},
		"where it was": {of("where", func(b *bytes.Buffer) error { return Events(b, l) }), []string{"where", "", "", "back"}},
		"readings": {lot(func(b *bytes.Buffer) error {
			return Readings(b, l, loaded, []belief.Evidence{{AtMin: 9, Kind: belief.SeenProbe, C: 48.5, Lot: 1}})
		}), []string{"lot", "prawns"}},
	} {
		if !slices.Equal(c.got, c.want) {
			t.Errorf("%s are of %q, want %q", what, c.got, c.want)
		}
	}
}
