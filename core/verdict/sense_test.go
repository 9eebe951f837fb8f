package verdict

import (
	"context"
	"errors"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/refuse"
	"velocrustum/core/run"
)

func quick(t *testing.T, q load.Request) Answer {
	t.Helper()
	a, err := Simulate(context.Background(), q, Options{NoChance: true})
	if err != nil {
		t.Fatalf("%+v: %v", q, err)
	}
	return a
}

func TestWhatDelaysNeverHastens(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	const slack = 0.05 // minutes: a step and a half
	for name, worse := range map[string]func(q *load.Request){
		"thicker": func(q *load.Request) {
			q.Load.PieceMassG *= 1.25
		},
		"colder":       func(q *load.Request) { *q.Load.StartC -= 4 },
		"gentler":      func(q *load.Request) { q.Program.Stages[0].AirC -= 20 },
		"more crowded": func(q *load.Request) { q.Load.Pieces *= 3 },
		"cold fryer":   func(q *load.Request) { q.Program.PreheatMin = 0 },
		"wetter":       func(q *load.Request) { q.Load.Surface = "wet" },
		"weaker fan":   func(q *load.Request) { q.Fryer = &load.Fryer{Airflow: new(0.7)} },
	} {
		t.Run(name, func(t *testing.T) {
			r := rand.New(rand.NewPCG(11, uint64(len(name))))
			for range 40 {
				q := loadtest.Any(r)
				p := q
				p.Load.StartC = new(*q.Load.StartC)
				p.Program.Stages = slices.Clone(q.Program.Stages)
				worse(&p)
				a, err := Simulate(context.Background(), p, Options{NoChance: true})
				if fields := (refuse.Fields)(nil); errors.As(err, &fields) {
					continue // three times as many do not go in
				} else if err != nil {
					t.Fatal(err)
				}
				b := quick(t, q)
				if loadtest.OrLate(a.SafeAtMin) < loadtest.OrLate(b.SafeAtMin)-slack {
					t.Errorf("%s in %s: safe at %.2f, before it at %.2f", q.Load.Cut, q.Coat.ID, loadtest.OrLate(a.SafeAtMin), loadtest.OrLate(b.SafeAtMin))
				}
			}
		})
	}
}

func TestWhatHelpsNeverHinders(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	pale := func(a Answer) float64 {
		f := a.Timeline[len(a.Timeline)-1].Faces
		return min(f[0].Brown, f[1].Brown)
	}
	r := rand.New(rand.NewPCG(21, 1))
	for range 60 {
		base := loadtest.Any(r)
		base.Coat.OilG = 0
		base.Program.Turns = nil
		base.Program.PreheatMin = 0
		// A turn opens the drawer, which costs up to 20 s of heat; what it
		// gains must make that good in colour, and nearly so in time. Oil
		// in a crumb's pores conducts: more colour for a little less crust.
		for _, c := range []struct {
			name        string
			safe, crisp float64 // slack, minutes
			change      func(q *load.Request)
		}{
			{"turned", 0.4, 1.2, func(q *load.Request) { q.Program.Turns = []load.Turn{{AtMin: 8, Kind: load.Flip}} }},
			{"oiled", 0.1, 0.5, func(q *load.Request) { q.Coat = &load.Covering{ID: q.Coat.ID, OilG: 6} }},
			{"dried on a rack", 0.05, 0.1, func(q *load.Request) { q.Load.Surface = "racked" }},
			{"preheated", 0.05, 0.05, func(q *load.Request) { q.Program.PreheatMin = 4 }},
		} {
			with := base
			c.change(&with)
			a, b := quick(t, with), quick(t, base)
			if loadtest.OrLate(a.SafeAtMin) > 1.01*loadtest.OrLate(b.SafeAtMin)+c.safe || loadtest.OrLate(a.CrispAtMin) > 1.04*loadtest.OrLate(b.CrispAtMin)+c.crisp || pale(a) < 0.98*pale(b)-0.03 { // less than the eye sees
				t.Errorf("%s in %s, %s: safe %.2f for %.2f, crisp %.2f for %.2f, browned %.2f for %.2f", base.Load.Cut, base.Coat.ID, c.name,
					loadtest.OrLate(a.SafeAtMin), loadtest.OrLate(b.SafeAtMin), loadtest.OrLate(a.CrispAtMin), loadtest.OrLate(b.CrispAtMin), pale(a), pale(b))
			}
		}
	}
}

func TestOilAndSugarNeverPaler(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	r := rand.New(rand.NewPCG(12, 1))
	for range 40 {
		q := loadtest.Any(r)
		q.Coat.OilG = 0
		plain := quick(t, q)
		for name, coat := range map[string]load.Covering{"oiled": {ID: q.Coat.ID, OilG: 8}, "sweeter": {ID: q.Coat.ID, SugarPct: 2}} {
			p := q
			p.Coat = &coat
			b := quick(t, p)
			last, lastPlain := b.Timeline[len(b.Timeline)-1], plain.Timeline[len(plain.Timeline)-1]
			for face := range 2 {
				if last.Faces[face].Brown < 0.96*lastPlain.Faces[face].Brown-0.02 {
					t.Errorf("%s in %s, %s: face %d browns to %.2f, plain to %.2f", q.Load.Cut, q.Coat.ID, name, face, last.Faces[face].Brown, lastPlain.Faces[face].Brown)
				}
			}
		}
	}
}

// answerOf is the nominal answer, as finely as is said.
func answerOf(t *testing.T, l *load.Load, fineness run.Fineness) Answer {
	t.Helper()
	all, err := nominal(l, fineness)
	if err != nil {
		t.Fatal(err)
	}
	return all[0]
}

// Two shells for one and a quarter of the step move safe by under 1 %, and
// crisp, loss and colour by under 2 %, or by less than the eye sees; by under 4 of
// what was fried before, which begins with a step in its water, and under 5 of plants.
func TestConvergence(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	done := map[string]bool{}
	for _, c := range loadtest.ReferenceCooks(t) {
		if done[c.ID] {
			continue
		}
		done[c.ID] = true
		s, err := load.Of(c.Request)
		if err != nil {
			t.Fatal(err)
		}
		s.TailMin = 12 // so that what comes late is there
		base := answerOf(t, s, run.Fine)
		for name, res := range map[string]run.Fineness{
			"a quarter of the step": {Shells: run.Fine.Shells, Steps: 4},
			"twice the shells":      {Shells: run.Fine.Shells.Finer(2), Steps: 1},
		} {
			fine := answerOf(t, s, res)
			near := func(what string, got, want, share, slack float64) {
				if d := math.Abs(got - want); d > share*want && d > slack {
					t.Errorf("%s, %s: %s %.3f for %.3f, %.2f %%", c.ID, name, what, got, want, 100*(got/want-1))
				}
			}
			loses := 0.02
			switch {
			case s.Only().Plant():
				loses = 0.05
			case s.Only().Was.Fried:
				loses = 0.04
			}
			near("safe", loadtest.OrLate(fine.SafeAtMin), loadtest.OrLate(base.SafeAtMin), 0.01, 0.03)
			near("crisp", loadtest.OrLate(fine.CrispAtMin), loadtest.OrLate(base.CrispAtMin), loses, 0.1)
			a, b := run.Nearest(fine.Timeline, s.Minutes()), run.Nearest(base.Timeline, s.Minutes())
			near("loss", a.MassLossPct, b.MassLossPct, loses, 0.1)
			for f := range a.Faces {
				near("browning", a.Faces[f].Brown, b.Faces[f].Brown, loses, 0.05) // 1 in L*
			}
		}
	}
}

func TestSameRequestSameAnswer(t *testing.T) {
	t.Parallel()
	q := loadtest.ReferenceCooks(t)[0].Request
	a, err := Simulate(context.Background(), q, Options{})
	if err != nil {
		t.Fatal(err)
	}
	b, err := Simulate(context.Background(), q, Options{})
	if err != nil {
		t.Fatal(err)
	}
	if *a.Chance.SafeByMin != *b.Chance.SafeByMin || *a.Chance.LookFirstMin != *b.Chance.LookFirstMin {
		t.Error("two answers to one request differ")
	}
	if !(*a.Chance.LookFirstMin <= *a.SafeAtMin && *a.SafeAtMin <= *a.Chance.SafeByMin) {
		t.Errorf("look first %.1f, nominal %.1f, safe by %.1f", *a.Chance.LookFirstMin, *a.SafeAtMin, *a.Chance.SafeByMin)
	}
}

func TestCancelledWindowStops(t *testing.T) {
	t.Parallel()
	ctx, cancel := context.WithCancel(context.Background())
	cancel()
	if _, err := Simulate(ctx, loadtest.ReferenceCooks(t)[0].Request, Options{}); !errors.Is(err, context.Canceled) {
		t.Errorf("a cancelled request answered %v", err)
	}
}

func TestTraysAndRackShareTheLoad(t *testing.T) {
	t.Parallel()
	q := load.Request{Load: load.Pieces{Cut: "potato-wedge", Pieces: 30, PieceMassG: 32}, Program: load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 40}}}}
	drawer := quick(t, q)
	q.Fryer = &load.Fryer{Rack: true}
	rack := quick(t, q)
	q.Fryer = &load.Fryer{Kind: "oven", PowerW: new(1800.0), Trays: 2, Basket: &fryer.Basket{Shape: "rectangle", WidthMm: 330, DepthMm: 280}}
	oven := quick(t, q)
	if drawer.Layers < 2 || rack.Layers != 1 || oven.Layers != 1 {
		t.Errorf("layers: drawer %d, rack %d, trays %d", drawer.Layers, rack.Layers, oven.Layers)
	}
	if loadtest.OrLate(rack.SafeAtMin) >= loadtest.OrLate(drawer.SafeAtMin) {
		t.Errorf("done at %.1f on a rack, %.1f in a heap", loadtest.OrLate(rack.SafeAtMin), loadtest.OrLate(drawer.SafeAtMin))
	}
	q.Load.Pieces = 60
	two := quick(t, q)
	q.Fryer.Trays = 1
	if one := quick(t, q); loadtest.OrLate(one.SafeAtMin) < loadtest.OrLate(two.SafeAtMin)+1 {
		t.Errorf("one heaped tray is done at %.1f, two at %.1f", loadtest.OrLate(one.SafeAtMin), loadtest.OrLate(two.SafeAtMin))
	}
	q.Load.Pieces = 30
	q.Fryer = &load.Fryer{Drawers: 2}
	if two := quick(t, q); two.Coverage > 0.55*drawer.Coverage || loadtest.OrLate(two.SafeAtMin) >= loadtest.OrLate(drawer.SafeAtMin) {
		t.Errorf("two drawers: %.2f covered and done at %.1f, one: %.2f and %.1f", two.Coverage, loadtest.OrLate(two.SafeAtMin), drawer.Coverage, loadtest.OrLate(drawer.SafeAtMin))
	}
	for _, f := range []load.Fryer{{Drawers: 3}, {Kind: "oven", Drawers: 2}, {Trays: 3}, {Kind: "oven", Trays: 9}, {Kind: "oven", Rack: true}} {
		q.Fryer = &f
		var fields refuse.Fields
		if err := load.Check(q); !errors.As(err, &fields) {
			t.Errorf("%+v was taken", f)
		}
	}
}

func TestMechanismsAct(t *testing.T) {
	t.Parallel()
	base := load.Request{Load: load.Pieces{Cut: "chicken-breast-chunk", Pieces: 8, PieceMassG: 18}, Coat: &load.Covering{ID: "bare"},
		Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 190, Minutes: 14}}, Turns: []load.Turn{{AtMin: 7, Kind: load.Flip}}}}
	with := func(change func(q *load.Request)) Answer {
		q := base
		coat := *base.Coat
		q.Coat = &coat
		change(&q)
		return quick(t, q)
	}
	plain := with(func(*load.Request) {})
	brown := func(a Answer) float64 { return a.Timeline[len(a.Timeline)-1].Faces[1].Brown }
	if a := with(func(q *load.Request) { q.Coat.SaltPct = 1 }); a.End.JuiceKeptPct <= plain.End.JuiceKeptPct {
		t.Errorf("salted keeps %.1f %% juice, plain %.1f", a.End.JuiceKeptPct, plain.End.JuiceKeptPct)
	}
	if a := with(func(q *load.Request) { q.Coat.ID = "leavened-rub" }); brown(a) <= 1.3*brown(plain) {
		t.Errorf("leavened browns to %.2f, plain to %.2f", brown(a), brown(plain))
	}
	if a := with(func(q *load.Request) { q.Load.Surface = "wet" }); brown(a) >= brown(plain) {
		t.Errorf("wet browns to %.2f, wiped to %.2f", brown(a), brown(plain))
	}
	if a := with(func(q *load.Request) { q.Load.Surface = "racked" }); brown(a) <= brown(plain) {
		t.Errorf("racked browns to %.2f, wiped to %.2f", brown(a), brown(plain))
	}
	if a := with(func(q *load.Request) { q.Coat.ID = "wrap" }); a.End.FatRenderedPct == nil || *a.End.FatRenderedPct < 20 {
		t.Errorf("a wrap renders %v", a.End.FatRenderedPct)
	}
	stuffed := quick(t, load.Request{Load: load.Pieces{Cut: "chicken-wing-stuffed", Pieces: 4, PieceMassG: 95}, Program: load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 30}}}, Guidance: "uk"})
	if stuffed.Rule.HoldMin != 2 || stuffed.SafeAtMin == nil {
		t.Errorf("stuffed under UK guidance: %+v", stuffed.Rule)
	}
}
