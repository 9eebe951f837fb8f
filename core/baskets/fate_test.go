package baskets

import (
	"strings"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
)

// a sauce that coats a spoon, of soy and honey with starch.
var glossy = Dressing{ClingsG: 8, WaterPct: 52, SolidsPct: 46}

// What cooks report of food that is tossed in sauce: half of its crust is gone
// after 10 min from a starch dust, after 15 from a double dredge. Bare skin
// loses it sooner than a dust that holds the sauce off.
func TestTossedAsReported(t *testing.T) {
	t.Parallel()
	var last float64
	for _, c := range []struct {
		name      string
		request   load.Request
		low, high float64
	}{
		{"bare wings", loadtest.Waited("chicken-wing-flat", 11, 43, "bare", 18, 1, load.HoldRack), 3.5, 9},
		{"dusted wings", loadtest.Waited("chicken-wing-flat", 11, 43, "starch-dust", 18, 1, load.HoldRack), 8, 12},
		{"dredged chunks", loadtest.Waited("chicken-thigh-chunk", 14, 20, "double-dredge", 12, 1, load.HoldRack), 12.5, 18},
	} {
		c.request.Program.Stages = c.request.Program.Stages[:1]
		all, err := Fates(t.Context(), c.request, glossy)
		if err != nil {
			t.Fatal(err)
		}
		by := map[string]Fate{}
		for _, f := range all {
			by[f.Way] = f
			for i, p := range f.Line {
				if p.Crust > p.Better || p.Crust < 0 || p.Better > 100 || p.Minute != float64(i) {
					t.Fatalf("%s %s: %+v", c.name, f.Way, p)
				}
			}
		}
		now := by[DressNow]
		if now.HalfMin == nil || *now.HalfMin < c.low || *now.HalfMin > c.high || *now.HalfMin < last {
			t.Errorf("%s: half of it is gone after %.1f min, want %g to %g", c.name, loadtest.OrLate(now.HalfMin), c.low, c.high)
		} else {
			last = *now.HalfMin
		}
		end := len(now.Line) - 1
		if a, b := by[DressNow].Line[12].Crust, by[DressTable].Line[12].Crust; a >= b {
			t.Errorf("%s: tossed at once it has %.0f, at the table %.0f", c.name, a, b)
		}
		if dry, none := by[DressUp].Line[end].Better, by[DressNone].Line[end].Better; dry < 0.8*none {
			t.Errorf("%s: the dry face has %.0f, without sauce %.0f", c.name, dry, none)
		}
		if none := by[DressNone].Line; none[end].Crust < 0.7*none[0].Crust {
			t.Errorf("%s: without sauce it falls from %.0f to %.0f", c.name, none[0].Crust, none[end].Crust)
		}
		// What is asked for is what is spoken of, and what is called crispest has most.
		for _, asked := range all {
			best, says := Advice(all, asked.Way, "So")
			if by[best].Way == "" || !strings.HasPrefix(says, "So, ") {
				t.Errorf("%s: %q %q", c.name, best, says)
			}
			if asked.Line[12].Crust >= keptCrisp && best != asked.Way {
				t.Errorf("%s, %s: %.0f are left of it, and %s is advised", c.name, asked.Way, asked.Line[12].Crust, best)
			}
			for _, f := range all {
				if strings.Contains(says, f.Name) && max(f.Line[12].Crust, f.Line[12].Better) <= asked.Line[12].Crust {
					t.Errorf("%s, %s: %q", c.name, asked.Way, says)
				}
			}
		}
	}
}

// A thinner sauce, or a sweeter one, takes less of the crust; what the film
// loses is in the food or in the air.
func TestLessWaterLessHarm(t *testing.T) {
	t.Parallel()
	q := loadtest.Waited("chicken-wing-flat", 11, 43, "starch-dust", 18, 1, load.HoldRack)
	q.Program.Stages = q.Program.Stages[:1]
	after := func(d Dressing) float64 {
		all, err := Fates(t.Context(), q, d)
		if err != nil {
			t.Fatal(err)
		}
		return all[0].Line[8].Crust
	}
	wet := after(glossy)
	for _, d := range []Dressing{{ClingsG: 3, WaterPct: 52, SolidsPct: 46}, {ClingsG: 8, WaterPct: 25, SolidsPct: 73}, {}} {
		if got := after(d); got <= wet {
			t.Errorf("%+v leaves %.0f, a wet one %.0f", d, got, wet)
		}
	}
}

// A sauce for one lot softens that lot, from when it is out: the other keeps
// what it had.
func TestASauceForOneLot(t *testing.T) {
	early := 14.0
	q := load.Request{Lots: []load.LotRequest{
		{Load: load.Pieces{Cut: "chicken-wing-flat", Pieces: 5, PieceMassG: 43}, Coat: &load.Covering{ID: "starch-dust", OilG: 2}},
		{Load: load.Pieces{Cut: "prawn", Pieces: 6, PieceMassG: 16}, Coat: &load.Covering{ID: "starch-dust", OilG: 2}, OutMin: &early},
	}, Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 190, Minutes: 22}}}}
	line := func(of *int) map[string][]FatePoint {
		t.Helper()
		d := glossy
		d.Of = of
		all, err := Fates(t.Context(), q, d)
		if err != nil {
			t.Fatal(err)
		}
		out := map[string][]FatePoint{}
		for _, f := range all {
			out[f.Way] = f.Line
		}
		return out
	}
	wings, prawns := 0, 1
	all, first, second := line(nil), line(&wings), line(&prawns)
	for _, way := range []string{DressNow, DressTable, DressUp, DressNone} {
		for i := range all[way] {
			if a, least := all[way][i].Crust, min(first[way][i].Crust, second[way][i].Crust); way == DressNone && a > least+5 {
				t.Errorf("%s, minute %d: all have %.1f, the lots %.1f and %.1f", way, i, a, first[way][i].Crust, second[way][i].Crust)
			}
		}
	}
	for _, of := range []map[string][]FatePoint{first, second} {
		if of[DressNow][12].Crust >= of[DressNone][12].Crust {
			t.Errorf("the sauce does nothing: %.1f and %.1f", of[DressNow][12].Crust, of[DressNone][12].Crust)
		}
	}
	if first[DressNone][0].Crust == second[DressNone][0].Crust {
		t.Error("whom it is for makes no difference")
	}
	// The prawns are dressed when they are out, eight minutes before the wings.
	late := q
	late.Lots = append([]load.LotRequest{}, q.Lots...)
	late.Lots[1].OutMin = nil
	q = late
	if later := line(&prawns); later[DressNone][0].Crust <= second[DressNone][0].Crust {
		t.Errorf("at minute 22 they have %.1f, at 14 %.1f", later[DressNone][0].Crust, second[DressNone][0].Crust)
	}
}
