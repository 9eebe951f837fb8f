package program

import (
	"context"
	"strings"
	"testing"
)

func TestVerdictFitsTheFigures(t *testing.T) {
	wings := func(airC, minutes, tail float64) Answer {
		t.Helper()
		a, err := Simulate(context.Background(), Request{
			Load: Load{Cut: "chicken-wing-flat", Pieces: 8, PieceMassG: 42}, Coat: &Coat{ID: "starch-dust", OilG: 4},
			Program: Program{PreheatMin: 4, Stages: []Stage{{AirC: airC, Minutes: minutes}}, Turns: []Turn{{minutes / 2, Flip}}}, TailMin: tail,
		}, Options{})
		if err != nil {
			t.Fatal(err)
		}
		return a
	}
	for _, c := range []struct {
		airC, minutes, tail float64
		ready               bool
		says                string
	}{
		{200, 26, 6, true, "Crisp and safe together."},
		{90, 5, 0, false, "Not safe inside"},
		{200, 9, 6, false, "Not surely safe before minute"},
		{120, 30, 0, false, "the crust does not get there"},
		{175, 15, 12, false, "crisp only at minute"},
	} {
		a := wings(c.airC, c.minutes, c.tail)
		v := a.Verdict
		if v.Ready != c.ready || !strings.Contains(v.Says, c.says) {
			t.Errorf("%g °C for %g min: %+v, want %q", c.airC, c.minutes, v, c.says)
		}
		if v.FromMin != nil && v.ToMin != nil && *v.ToMin < *v.FromMin {
			t.Errorf("%g °C for %g min: a window from %g to %g", c.airC, c.minutes, *v.FromMin, *v.ToMin)
		}
		if v.Ready && !strings.HasPrefix(v.First, "Probe one at ") {
			t.Errorf("nothing to do first: %q", v.First)
		}
		// What ends after the program is marked as such in the timeline too.
		if last := a.Timeline[len(a.Timeline)-1].Minute; last < c.minutes || last > c.minutes+c.tail+0.01 {
			t.Errorf("the timeline of %g + %g minutes ends at %g", c.minutes, c.tail, last)
		}
	}
}

func TestOverdoneSaysWhatItIs(t *testing.T) {
	long := func(cut, coat string, sugar, airC, minutes float64) Window {
		t.Helper()
		q := Request{Load: Load{Cut: cut, Pieces: 4, PieceMassG: 0}, Coat: &Coat{ID: coat, OilG: 4, SugarPct: sugar},
			Program: Program{PreheatMin: 4, Stages: []Stage{{AirC: airC, Minutes: minutes}}, Turns: []Turn{{minutes / 2, Flip}}}}
		q.Load.PieceMassG = map[string]float64{"chicken-wing-flat": 42, "potato-wedge": 32, "chicken-breast-chunk": 18, "duck-leg": 230}[cut]
		return quick(t, q).Window
	}
	for _, c := range []struct {
		bound string
		w     Window
	}{
		{"brown", long("potato-wedge", "oil-rub", 0, 200, 60)},
		{"bitter", long("duck-leg", "oil-rub", 6, 190, 60)},
		{"burnt", long("duck-leg", "oil-rub", 0, 200, 60)},
		{"dry", long("chicken-breast-chunk", "bare", 0, 180, 45)},
	} {
		if c.w.ToMin == nil || c.w.Bound != c.bound {
			t.Errorf("ends by %q, want %q", c.w.Bound, c.bound)
		}
	}
}
