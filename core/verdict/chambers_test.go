package verdict

import (
	"errors"
	"math"
	"math/rand/v2"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/refuse"
)

// twin is a fryer of two drawers on a plug of so many watts.
func twin(plugW float64) *load.Fryer { return &load.Fryer{Drawers: 2, PowerW: &plugW} }

func inDrawerOf(f *load.Fryer, cut string, pieces int, pieceG, preheatMin, airC, minutes float64) load.Chamber {
	return load.Chamber{Request: load.Request{Fryer: f,
		Lots:    []load.LotRequest{{Load: load.Pieces{Cut: cut, Pieces: pieces, PieceMassG: pieceG}, Coat: &load.Covering{ID: "oil-rub", OilG: 3}}},
		Program: load.Program{PreheatMin: preheatMin, Stages: []load.Stage{{AirC: airC, Minutes: minutes}}}}}
}

func thighsAndWedges(plugW, startMin float64) []load.Chamber {
	f := twin(plugW)
	left := inDrawerOf(f, "chicken-thigh-bone-in", 4, 150, 3, 190, 36)
	right := inDrawerOf(f, "potato-wedge", 12, 32, 3, 180, 24)
	right.StartMin = startMin
	return []load.Chamber{left, right}
}

func ofDrawers(t *testing.T, of []load.Chamber, opt Options) Answer {
	t.Helper()
	a, err := SimulateChambers(t.Context(), of, opt, nil)
	if err != nil {
		t.Fatal(err)
	}
	return a
}

// Over random pairs: what both draw is never more than the plug gives, and is
// all that the answer says was used.
func TestOnePlugGivesWhatItHas(t *testing.T) {
	t.Parallel()
	r := rand.New(rand.NewPCG(2, 26))
	for range 12 {
		plug := 1400 + 1400*r.Float64()
		of := thighsAndWedges(plug, math.Round(2*15*r.Float64())/2)
		of[0].Program.PreheatMin, of[1].Program.PreheatMin = float64(r.IntN(5)), float64(r.IntN(5))
		of[0].Program.Stages[0].AirC, of[1].Program.Stages[0].AirC = 160+5*float64(r.IntN(9)), 160+5*float64(r.IntN(9))
		a := ofDrawers(t, of, Options{NoChance: true})
		used := 0.0
		for _, m := range a.Plug {
			if sum := m.W[0] + m.W[1]; sum > plug*1.005 || m.W[0] < 0 || m.W[1] < 0 {
				t.Errorf("on %.0f W, minute %.1f: %.0f and %.0f W", plug, m.Minute, m.W[0], m.W[1])
			}
			used += (m.W[0] + m.W[1]) / 120
		}
		// Drawn until each drawer's end; the last span may reach past it.
		if each := a.Chambers[0].End.EnergyWh + a.Chambers[1].End.EnergyWh; math.Abs(a.End.EnergyWh-each) > 1e-9 || math.Abs(used-each) > 0.03*each {
			t.Errorf("on %.0f W: %.0f Wh of the plug, %.0f and %.0f Wh in the drawers", plug, used, a.Chambers[0].End.EnergyWh, a.Chambers[1].End.EnergyWh)
		}
	}
}

// A weaker plug is never quicker, and a drawer beside another never quicker than
// alone; what begins when the other holds has more of the plug.
func TestWhatDrawersCostEachOther(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	core := func(a Answer, k int) (at5, at12 float64) {
		line := a.Chambers[k].Timeline
		return line[10].CoreC, line[24].CoreC
	}
	air := func(a Answer, k int, minute int) float64 { return a.Chambers[k].Timeline[2*minute].AirC }
	var weaker Answer
	for i, plug := range []float64{1500, 1900, 2400, 2800} {
		a := ofDrawers(t, thighsAndWedges(plug, 0), Options{NoChance: true})
		for k := range a.Chambers {
			if i > 0 {
				was5, was12 := core(weaker, k)
				if at5, at12 := core(a, k); at5 < was5-0.05 || at12 < was12-0.05 || later(a.Chambers[k].SafeAtMin, weaker.Chambers[k].SafeAtMin) {
					t.Errorf("%s on %.0f W is at %.2f and %.2f °C, on a weaker plug at %.2f and %.2f", a.Chambers[k].Name, plug, at5, at12, was5, was12)
				}
			}
			// Alone: the other goes in so late that this one is out by then.
			of := thighsAndWedges(plug, 0)
			of[1-k].StartMin = 60
			alone := ofDrawers(t, of, Options{NoChance: true})
			at5, at12 := core(a, k)
			if alone5, alone12 := core(alone, k); alone5 < at5-0.02 || alone12 < at12-0.02 {
				t.Errorf("%s on %.0f W: alone at %.2f and %.2f °C, beside the other at %.2f and %.2f", a.Chambers[k].Name, plug, alone5, alone12, at5, at12)
			}
			if air(alone, k, 0) < air(a, k, 0)+3 {
				t.Errorf("%s on %.0f W: alone the air begins at %.0f °C, beside the other at %.0f", a.Chambers[k].Name, plug, air(alone, k, 0), air(a, k, 0))
			}
		}
		weaker = a
	}
	together, after := ofDrawers(t, thighsAndWedges(2000, 0), Options{NoChance: true}), ofDrawers(t, thighsAndWedges(2000, 12), Options{NoChance: true})
	if air(after, 1, 0) < air(together, 1, 0)+3 {
		t.Errorf("heated while the left one holds, the right one begins at %.0f °C, both at once at %.0f", air(after, 1, 0), air(together, 1, 0))
	}
}

// Left or right makes no difference, and two drawers alike are alike.
func TestDrawersAreAlike(t *testing.T) {
	t.Parallel()
	of := thighsAndWedges(2000, 6)
	a, b := ofDrawers(t, of, Options{NoChance: true}), ofDrawers(t, []load.Chamber{of[1], of[0]}, Options{NoChance: true})
	for k := range of {
		if x, y := a.Chambers[k].End, b.Chambers[1-k].End; math.Abs(x.CoreC-y.CoreC) > 0.05 || math.Abs(x.EnergyWh-y.EnergyWh) > 0.01*x.EnergyWh {
			t.Errorf("drawer %d ends as %+v, in the other's place as %+v", k, x, y)
		}
	}
	same := []load.Chamber{of[0], of[0]}
	c := ofDrawers(t, same, Options{NoChance: true})
	if x, y := c.Chambers[0].End, c.Chambers[1].End; math.Abs(x.CoreC-y.CoreC) > 0.02 || math.Abs(x.EnergyWh-y.EnergyWh) > 1 {
		t.Errorf("two alike end as %+v and %+v", x, y)
	}
	// Dealt evenly under one program, as a fryer of two drawers was before.
	whole := of[0].Request
	whole.Lots = []load.LotRequest{of[0].Lots[0]}
	whole.Lots[0].Load.Pieces *= 2
	oil := *whole.Lots[0].Coat
	oil.OilG *= 2
	whole.Lots[0].Coat = &oil
	shared, err := Simulate(t.Context(), whole, Options{NoChance: true})
	if err != nil {
		t.Fatal(err)
	}
	if x, y := c.Chambers[0].SafeAtMin, shared.SafeAtMin; math.Abs(*x-*y) > 0.25 {
		t.Errorf("apart but alike they are safe at %.2f, dealt evenly at %.2f", *x, *y)
	}
}

// The verdict speaks of both, on the clock that they share.
func TestTheVerdictOfTwoDrawers(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	f := twin(2200)
	both := func(minutes float64) []load.Chamber {
		of := []load.Chamber{inDrawerOf(f, "chicken-thigh-bone-in", 4, 150, 3, 190, minutes), inDrawerOf(f, "chicken-drumstick", 4, 105, 3, 190, 28)}
		of[1].StartMin = 8
		return of
	}
	a := ofDrawers(t, both(36), Options{})
	left, right := a.Chambers[0], a.Chambers[1]
	if !a.Verdict.Ready || left.Chance == nil || right.Chance == nil || *a.SafeAtMin != max(*left.SafeAtMin, 8+*right.SafeAtMin) || *a.CrispAtMin != max(*left.CrispAtMin, 8+*right.CrispAtMin) {
		t.Fatalf("%+v, left %+v, right %+v", a.Verdict, left.Verdict, right.Verdict)
	}
	if *a.Verdict.FromMin != max(*left.Verdict.FromMin, 8+*right.Verdict.FromMin) {
		t.Errorf("ready from %g: left from %g, right from %g after 8", *a.Verdict.FromMin, *left.Verdict.FromMin, *right.Verdict.FromMin)
	}
	if want := "Left: crisp and safe together. Right, in at 8: "; len(a.Verdict.Says) < len(want) || a.Verdict.Says[:len(want)] != want {
		t.Errorf("it says %q", a.Verdict.Says)
	}
	if b := ofDrawers(t, both(14), Options{}); b.Verdict.Ready || b.Verdict.FromMin != nil || len(b.Warnings) == 0 || b.Warnings[0].Chamber != "left" {
		t.Errorf("with thighs for 14 min %+v, %+v", b.Verdict, b.Warnings)
	}
}

func TestChambersAreRefusedByField(t *testing.T) {
	good := func() []load.Chamber { return thighsAndWedges(2200, 0) }
	for field, of := range map[string][]load.Chamber{
		"chambers":                        good()[:1],
		"fryer.drawers":                   func() []load.Chamber { c := good(); c[0].Fryer = &load.Fryer{}; return c }(),
		"chambers[1].lots[0].load.pieces": func() []load.Chamber { c := good(); c[1].Lots[0].Load.Pieces = 0; return c }(),
		"chambers[1].startMin":            func() []load.Chamber { c := good(); c[1].StartMin = 400; return c }(),
		"chambers[0].program.stages[0].airC": func() []load.Chamber {
			c := good()
			c[0].Program.Stages = []load.Stage{{AirC: 900, Minutes: 9}}
			return c
		}(),
		"chambers[0].fryer.drawerPowerW": func() []load.Chamber { c := good(); w := 9000.0; c[0].Fryer.DrawerPowerW = &w; return c }(),
	} {
		var p refuse.Fields
		if _, err := SimulateChambers(t.Context(), of, Options{NoChance: true}, nil); !errors.As(err, &p) || p[0].Field != field || p[0].Allowed == "" {
			t.Errorf("%s gave %v", field, err)
		}
	}
}

func BenchmarkChambers(b *testing.B) {
	of := thighsAndWedges(2200, 8)
	b.Run("one", func(b *testing.B) {
		for b.Loop() {
			if _, err := Simulate(b.Context(), of[0].Request, Options{}); err != nil {
				b.Fatal(err)
			}
			if _, err := Simulate(b.Context(), of[1].Request, Options{}); err != nil {
				b.Fatal(err)
			}
		}
	})
	b.Run("two", func(b *testing.B) {
		for b.Loop() {
			if _, err := SimulateChambers(b.Context(), of, Options{}, nil); err != nil {
				b.Fatal(err)
			}
		}
	})
}
