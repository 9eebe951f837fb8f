package baskets

import (
	"math"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/verdict"
)

// A basket of a supper is the engine's: safe by its end for 95 loads in 100,
// kept as it is where the cook's own program is, shorter from a hot fryer, and
// the same after any wait as one that is run with that wait.
func TestABasketOfASupper(t *testing.T) {
	t.Parallel()
	q := loadtest.Waited("chicken-wing-flat", 11, 43, "starch-dust", 20, 1, load.HoldRack)
	q.Program.Stages = q.Program.Stages[:1]
	cold, err := Fry(t.Context(), q, load.HoldWarm, 90)
	if err != nil {
		t.Fatal(err)
	}
	if cold.Program.Minutes() != 20 || cold.SafeBy > 20 || cold.HalfSafe >= cold.SafeBy {
		t.Errorf("%.1f min, half safe at %.1f, nearly all by %.1f", cold.Program.Minutes(), cold.HalfSafe, cold.SafeBy)
	}
	hot := q
	hot.Program.PreheatMin, hot.Program.HotFromC = 0, 180
	next, err := Fry(t.Context(), hot, load.HoldWarm, 90)
	if err != nil {
		t.Fatal(err)
	}
	if next.Program.Minutes() > cold.Program.Minutes() || next.SafeBy > next.Program.Minutes() {
		t.Errorf("from a hot fryer %.1f min, safe by %.1f; from cold %.1f", next.Program.Minutes(), next.SafeBy, cold.Program.Minutes())
	}
	short := q
	short.Program.Stages = []load.Stage{{AirC: 190, Minutes: 7}}
	short.Program.Turns = nil
	longer, err := Fry(t.Context(), short, load.HoldWarm, 90)
	if err != nil {
		t.Fatal(err)
	}
	if longer.SafeBy > longer.Program.Minutes()+1e-9 || longer.Program.Minutes() <= 7 {
		t.Errorf("seven minutes are made %.1f, safe by %.1f", longer.Program.Minutes(), longer.SafeBy)
	}
	if len(cold.Kept) != int(longestKept)+1 || len(cold.Flashed) != len(cold.Kept) || len(cold.Colours) != colours+1 {
		t.Fatalf("%d minutes kept, %d flashed, %d colours", len(cold.Kept), len(cold.Flashed), len(cold.Colours))
	}
	for _, wait := range []float64{0, 6, 20} {
		whole := q
		whole.Program.Stages = append([]load.Stage{}, q.Program.Stages...)
		warm := 90.0
		if wait > 0 {
			whole.Program.Stages = append(whole.Program.Stages, load.Stage{AirC: 200, Minutes: wait, Hold: load.HoldWarm, HoldC: &warm})
		}
		a, err := verdict.Simulate(t.Context(), whole, verdict.Options{NoChance: true})
		if err != nil {
			t.Fatal(err)
		}
		if wait > 0 {
			crust, coreC, err := Waited(q, warm, wait, false)
			kept, keptC := cold.After(wait, false)
			flashed, _, _ := Waited(q, warm, wait, true)
			again, _ := cold.After(wait, true)
			if err != nil || math.Abs(crust-kept) > 0.5 || math.Abs(coreC-keptC) > 0.5 || math.Abs(flashed-again) > 1 {
				t.Errorf("waited %g min: %.1f and %.1f °C, flashed %.1f; kept so long %.1f and %.1f °C, flashed %.1f: %v", wait, crust, coreC, flashed, kept, keptC, again, err)
			}
		}
		crust, coreC := cold.After(wait, false)
		last := a.Timeline[len(a.Timeline)-1]
		if math.Abs(crust-last.Softer()) > 3 || math.Abs(coreC-last.CoreC) > 2 {
			t.Errorf("after %g min %.1f of crust and %.1f °C; run with it %.1f and %.1f", wait, crust, coreC, last.Softer(), last.CoreC)
		}
	}
	for m := 1; m < len(cold.Kept); m++ {
		if cold.Kept[m] > cold.Kept[m-1]+0.3 || cold.Flashed[m] < cold.Kept[m]-1 {
			t.Errorf("after %d min %.1f, after %d %.1f, flashed %.1f", m-1, cold.Kept[m-1], m, cold.Kept[m], cold.Flashed[m])
		}
	}
	if a, _ := cold.After(500, false); a != cold.Kept[len(cold.Kept)-1] {
		t.Errorf("after a night %.1f", a)
	}
	raw := q
	raw.Program.Stages = []load.Stage{{AirC: 60, Minutes: 3}}
	if _, err := Fry(t.Context(), raw, load.HoldRack, 0); err == nil {
		t.Error("what never gets safe is fried")
	}
	if n, err := load.Comfortable(q); err != nil || n < 8 || n > 16 {
		t.Errorf("%d wings lie with air between them (%v)", n, err)
	}
}
