package program

import (
	"context"
	"errors"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"velocrustum/core/food"
	"velocrustum/core/fryer"
	"velocrustum/core/refuse"
)

// anyRequest draws a plausible cook, with a long tail so that things happen.
func anyRequest(r *rand.Rand) Request {
	cuts := food.Cuts()
	cut := cuts[r.IntN(len(cuts))]
	coats := food.CoatIDs()
	q := Request{
		Load: Load{Cut: cut.ID, Pieces: 1 + r.IntN(6), PieceMassG: cut.Typical * (0.8 + 0.4*r.Float64()),
			StartC: ptr(2 + 8*r.Float64()), Surface: "wiped"},
		Coat:    &Coat{ID: coats[r.IntN(len(coats))], OilG: 3 * r.Float64()},
		Program: Program{PreheatMin: 3, Stages: []Stage{{AirC: 165 + 30*r.Float64(), Minutes: 40}}},
	}
	q.Program.Turns = []Turn{{AtMin: 8, Kind: Flip}}
	return q
}

func quick(t *testing.T, q Request) Answer {
	t.Helper()
	a, err := Simulate(context.Background(), q, Options{NoChance: true})
	if err != nil {
		t.Fatalf("%+v: %v", q, err)
	}
	return a
}

// orLate reads a time, with never as an hour.
func orLate(m *float64) float64 {
	if m == nil {
		return 60
	}
	return *m
}

func TestWhatDelaysNeverHastens(t *testing.T) {
	t.Parallel()
	const slack = 0.05 // minutes: a step and a half
	for name, worse := range map[string]func(q *Request){
		"thicker": func(q *Request) {
			q.Load.PieceMassG *= 1.25
		},
		"colder":       func(q *Request) { *q.Load.StartC -= 4 },
		"gentler":      func(q *Request) { q.Program.Stages[0].AirC -= 20 },
		"more crowded": func(q *Request) { q.Load.Pieces *= 3 },
		"cold fryer":   func(q *Request) { q.Program.PreheatMin = 0 },
		"wetter":       func(q *Request) { q.Load.Surface = "wet" },
		"weaker fan":   func(q *Request) { q.Fryer = &Fryer{Airflow: ptr(0.7)} },
	} {
		t.Run(name, func(t *testing.T) {
			r := rand.New(rand.NewPCG(11, uint64(len(name))))
			for range 40 {
				q := anyRequest(r)
				p := q
				p.Load.StartC = ptr(*q.Load.StartC)
				p.Program.Stages = slices.Clone(q.Program.Stages)
				worse(&p)
				a, err := Simulate(context.Background(), p, Options{NoChance: true})
				if fields := (refuse.Fields)(nil); errors.As(err, &fields) {
					continue // three times as many do not go in
				} else if err != nil {
					t.Fatal(err)
				}
				b := quick(t, q)
				if orLate(a.SafeAtMin) < orLate(b.SafeAtMin)-slack {
					t.Errorf("%s in %s: safe at %.2f, before it at %.2f", q.Load.Cut, q.Coat.ID, orLate(a.SafeAtMin), orLate(b.SafeAtMin))
				}
			}
		})
	}
}

func TestWhatHelpsNeverHinders(t *testing.T) {
	t.Parallel()
	pale := func(a Answer) float64 {
		f := a.Timeline[len(a.Timeline)-1].Faces
		return min(f[0].Brown, f[1].Brown)
	}
	r := rand.New(rand.NewPCG(21, 1))
	for range 60 {
		base := anyRequest(r)
		base.Coat.OilG = 0
		base.Program.Turns = nil
		base.Program.PreheatMin = 0
		// A turn opens the drawer, which costs up to 20 s of heat; what it
		// gains must make that good in colour, and nearly so in time. Oil
		// in a crumb's pores conducts: more colour for a little less crust.
		for _, c := range []struct {
			name        string
			safe, crisp float64 // slack, minutes
			change      func(q *Request)
		}{
			{"turned", 0.4, 1.2, func(q *Request) { q.Program.Turns = []Turn{{AtMin: 8, Kind: Flip}} }},
			{"oiled", 0.1, 0.5, func(q *Request) { q.Coat = &Coat{ID: q.Coat.ID, OilG: 6} }},
			{"dried on a rack", 0.05, 0.1, func(q *Request) { q.Load.Surface = "racked" }},
			{"preheated", 0.05, 0.05, func(q *Request) { q.Program.PreheatMin = 4 }},
		} {
			with := base
			c.change(&with)
			a, b := quick(t, with), quick(t, base)
			if orLate(a.SafeAtMin) > 1.01*orLate(b.SafeAtMin)+c.safe || orLate(a.CrispAtMin) > 1.04*orLate(b.CrispAtMin)+c.crisp || pale(a) < 0.98*pale(b)-0.03 { // less than the eye sees
				t.Errorf("%s in %s, %s: safe %.2f for %.2f, crisp %.2f for %.2f, browned %.2f for %.2f", base.Load.Cut, base.Coat.ID, c.name,
					orLate(a.SafeAtMin), orLate(b.SafeAtMin), orLate(a.CrispAtMin), orLate(b.CrispAtMin), pale(a), pale(b))
			}
		}
	}
}

func TestOilAndSugarNeverPaler(t *testing.T) {
	t.Parallel()
	r := rand.New(rand.NewPCG(12, 1))
	for range 40 {
		q := anyRequest(r)
		q.Coat.OilG = 0
		plain := quick(t, q)
		for name, coat := range map[string]Coat{"oiled": {ID: q.Coat.ID, OilG: 8}, "sweeter": {ID: q.Coat.ID, SugarPct: 2}} {
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

// Two shells for one and a quarter of the step move safe by under 1 %, and
// crisp, loss and colour by under 2 %, or by less than the eye sees.
func TestConvergence(t *testing.T) {
	t.Parallel()
	done := map[string]bool{}
	for _, c := range referenceCooks(t) {
		if done[c.id] {
			continue
		}
		done[c.id] = true
		s, err := resolve(c.request)
		if err != nil {
			t.Fatal(err)
		}
		s.tail = 12 // so that what comes late is there
		base, err := s.answer(standard)
		if err != nil {
			t.Fatal(err)
		}
		for name, res := range map[string]resolution{
			"a quarter of the step": {standard.shells, 4},
			"twice the shells":      {standard.shells.Finer(2), 1},
		} {
			fine, err := s.answer(res)
			if err != nil {
				t.Fatal(err)
			}
			near := func(what string, got, want, share, slack float64) {
				if d := math.Abs(got - want); d > share*want && d > slack {
					t.Errorf("%s, %s: %s %.3f for %.3f, %.2f %%", c.id, name, what, got, want, 100*(got/want-1))
				}
			}
			near("safe", orLate(fine.SafeAtMin), orLate(base.SafeAtMin), 0.01, 0.03)
			near("crisp", orLate(fine.CrispAtMin), orLate(base.CrispAtMin), 0.02, 0.1)
			a, b := at(fine.Timeline, s.minutes()), at(base.Timeline, s.minutes())
			near("loss", a.MassLossPct, b.MassLossPct, 0.02, 0.1)
			for f := range a.Faces {
				near("browning", a.Faces[f].Brown, b.Faces[f].Brown, 0.02, 0.05) // 1 in L*
			}
		}
	}
}

func TestSameRequestSameAnswer(t *testing.T) {
	t.Parallel()
	q := referenceCooks(t)[0].request
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
	if _, err := Simulate(ctx, referenceCooks(t)[0].request, Options{}); !errors.Is(err, context.Canceled) {
		t.Errorf("a cancelled request answered %v", err)
	}
}

func TestNoAllocationPerStep(t *testing.T) {
	allocs := func(minutes float64) float64 {
		q := referenceCooks(t)[0].request
		q.Program.Stages = []Stage{{AirC: 190, Minutes: minutes}}
		s, err := resolve(q)
		if err != nil {
			t.Fatal(err)
		}
		return testing.AllocsPerRun(3, func() {
			r, err := newRun(&s, nominal, standard)
			if err != nil {
				t.Fatal(err)
			}
			r.carry(nil)
		})
	}
	if short, long := allocs(15), allocs(60); long > short {
		t.Errorf("15 minutes allocate %g times, 60 minutes %g", short, long)
	}
}

func TestLoadsAreEvenAndOrdered(t *testing.T) {
	t.Parallel()
	v := spread{piece: 0.08, mean: 0.04, airflow: 0.15, dialC: 6, startC: 2, heatUp: 0.2, wicks: 0.4, browns: 0.25}
	all := v.loads(Loads, 12)
	var mean, square [dims]float64
	thick := 0.0
	for _, l := range all {
		for k := byAirflow; k < dims; k++ {
			mean[k] += l.thick[k] / Loads
			square[k] += l.thick[k] * l.thick[k] / Loads
			if l.thick[k] != l.thin[k] {
				t.Fatal("one load has two fryers")
			}
		}
		if l.thick[bySize] < l.thin[bySize] {
			t.Fatalf("the thickest piece is thinner than the thinnest: %v", l)
		}
		thick += l.thick[bySize] * v.size() / 2 / Loads
	}
	for k := byAirflow; k < dims; k++ {
		if math.Abs(mean[k]) > 0.05 || math.Abs(square[k]-1) > 0.06 {
			t.Errorf("figure %d has mean %.3f and variance %.3f", k, mean[k], square[k])
		}
	}
	// The expected largest of twelve normals is 1.63 standard deviations.
	if d := thick - v.piece/2*1.63; math.Abs(d) > 0.004 {
		t.Errorf("the thickest of twelve is %.3f over the mean", thick)
	}
	for _, l := range v.loads(100, 1) {
		if l.thick != l.thin {
			t.Fatal("one piece has two sizes")
		}
	}
}

func TestChancesRiseToOneAndHold(t *testing.T) {
	t.Parallel()
	q := referenceCooks(t)[0].request
	q.TailMin = 10
	a, err := Simulate(context.Background(), q, Options{})
	if err != nil {
		t.Fatal(err)
	}
	last := ChanceAt{}
	for i, c := range a.Chance.By {
		if c.Safe < last.Safe || c.Crisp < last.Crisp || c.Crisp > c.Safe {
			t.Errorf("minute %g: %+v after %+v", c.Minute, c, last)
		}
		if b := a.Chance.Core[i]; b.LowC > b.HighC+1e-9 || b.Minute != c.Minute {
			t.Errorf("minute %g: core from %g to %g", c.Minute, b.LowC, b.HighC)
		}
		last = c
	}
	if last.Safe != 1 {
		t.Errorf("after half an hour %.0f %% are safe", 100*last.Safe)
	}
	if v := a.Verdict; v.FromMin == nil || *v.FromMin < *a.Chance.SafeByMin || !v.Ready {
		t.Errorf("verdict %+v, safe by %g", v, *a.Chance.SafeByMin)
	}
}

func TestTraysAndRackShareTheLoad(t *testing.T) {
	t.Parallel()
	q := Request{Load: Load{Cut: "potato-wedge", Pieces: 30, PieceMassG: 32}, Program: Program{Stages: []Stage{{AirC: 190, Minutes: 40}}}}
	drawer := quick(t, q)
	q.Fryer = &Fryer{Rack: true}
	rack := quick(t, q)
	q.Fryer = &Fryer{Kind: "oven", PowerW: ptr(1800.0), Trays: 2, Basket: &fryer.Basket{Shape: "rectangle", WidthMm: 330, DepthMm: 280}}
	oven := quick(t, q)
	if drawer.Layers < 2 || rack.Layers != 1 || oven.Layers != 1 {
		t.Errorf("layers: drawer %d, rack %d, trays %d", drawer.Layers, rack.Layers, oven.Layers)
	}
	if orLate(rack.SafeAtMin) >= orLate(drawer.SafeAtMin) {
		t.Errorf("done at %.1f on a rack, %.1f in a heap", orLate(rack.SafeAtMin), orLate(drawer.SafeAtMin))
	}
	q.Load.Pieces = 60
	two := quick(t, q)
	q.Fryer.Trays = 1
	if one := quick(t, q); orLate(one.SafeAtMin) < orLate(two.SafeAtMin)+1 {
		t.Errorf("one heaped tray is done at %.1f, two at %.1f", orLate(one.SafeAtMin), orLate(two.SafeAtMin))
	}
	q.Load.Pieces = 30
	q.Fryer = &Fryer{Drawers: 2}
	if two := quick(t, q); two.Coverage > 0.55*drawer.Coverage || orLate(two.SafeAtMin) >= orLate(drawer.SafeAtMin) {
		t.Errorf("two drawers: %.2f covered and done at %.1f, one: %.2f and %.1f", two.Coverage, orLate(two.SafeAtMin), drawer.Coverage, orLate(drawer.SafeAtMin))
	}
	for _, f := range []Fryer{{Drawers: 3}, {Kind: "oven", Drawers: 2}, {Trays: 3}, {Kind: "oven", Trays: 9}, {Kind: "oven", Rack: true}} {
		q.Fryer = &f
		var fields refuse.Fields
		if err := Check(q); !errors.As(err, &fields) {
			t.Errorf("%+v was taken", f)
		}
	}
}

func TestMechanismsAct(t *testing.T) {
	t.Parallel()
	base := Request{Load: Load{Cut: "chicken-breast-chunk", Pieces: 8, PieceMassG: 18}, Coat: &Coat{ID: "bare"},
		Program: Program{PreheatMin: 4, Stages: []Stage{{AirC: 190, Minutes: 14}}, Turns: []Turn{{AtMin: 7, Kind: Flip}}}}
	with := func(change func(q *Request)) Answer {
		q := base
		coat := *base.Coat
		q.Coat = &coat
		change(&q)
		return quick(t, q)
	}
	plain := with(func(*Request) {})
	brown := func(a Answer) float64 { return a.Timeline[len(a.Timeline)-1].Faces[1].Brown }
	if a := with(func(q *Request) { q.Coat.SaltPct = 1 }); a.End.JuiceKeptPct <= plain.End.JuiceKeptPct {
		t.Errorf("salted keeps %.1f %% juice, plain %.1f", a.End.JuiceKeptPct, plain.End.JuiceKeptPct)
	}
	if a := with(func(q *Request) { q.Coat.ID = "leavened-rub" }); brown(a) <= 1.3*brown(plain) {
		t.Errorf("leavened browns to %.2f, plain to %.2f", brown(a), brown(plain))
	}
	if a := with(func(q *Request) { q.Load.Surface = "wet" }); brown(a) >= brown(plain) {
		t.Errorf("wet browns to %.2f, wiped to %.2f", brown(a), brown(plain))
	}
	if a := with(func(q *Request) { q.Load.Surface = "racked" }); brown(a) <= brown(plain) {
		t.Errorf("racked browns to %.2f, wiped to %.2f", brown(a), brown(plain))
	}
	if a := with(func(q *Request) { q.Coat.ID = "wrap" }); a.End.FatRenderedPct == nil || *a.End.FatRenderedPct < 20 {
		t.Errorf("a wrap renders %v", a.End.FatRenderedPct)
	}
	stuffed := quick(t, Request{Load: Load{Cut: "chicken-wing-stuffed", Pieces: 4, PieceMassG: 95}, Program: Program{Stages: []Stage{{AirC: 190, Minutes: 30}}}, Guidance: "uk"})
	if stuffed.Rule.HoldMin != 2 || stuffed.SafeAtMin == nil {
		t.Errorf("stuffed under UK guidance: %+v", stuffed.Rule)
	}
}

// However the pieces are turned, the sampled loads lie around the nominal
// one: the thickest of many pieces is safe later than it, by less than a
// third.
func TestWindowLiesAroundTheNominalCook(t *testing.T) {
	t.Parallel()
	for name, turns := range map[string][]Turn{
		"no turn": nil, "flipped": {{AtMin: 7, Kind: Flip}}, "shaken": {{AtMin: 6, Kind: Shake}}, "shaken three times": {{AtMin: 4, Kind: Shake}, {AtMin: 8, Kind: Shake}, {AtMin: 12, Kind: Shake}},
	} {
		for _, pieces := range []int{10, 34} { // one layer, and two
			a, err := Simulate(context.Background(), Request{
				Load: Load{Cut: "potato-wedge", Pieces: pieces, PieceMassG: 32}, Coat: &Coat{ID: "oil-rub", OilG: 10},
				Program: Program{PreheatMin: 3, Stages: []Stage{{AirC: 190, Minutes: 40}}, Turns: turns},
			}, Options{})
			if err != nil {
				t.Fatal(err)
			}
			c := a.Chance
			if c.SafeByMin == nil || *c.SafeByMin < *a.SafeAtMin || *c.SafeByMin > 1.42**a.SafeAtMin {
				t.Errorf("%s, %d pieces: safe at %.1f, by %v", name, pieces, *a.SafeAtMin, orLate(c.SafeByMin))
			}
			if a.CrispAtMin != nil && (orLate(c.HalfReadyMin) < 0.8**a.CrispAtMin || orLate(c.HalfReadyMin) > 1.3**a.CrispAtMin) {
				t.Errorf("%s, %d pieces: crisp at %.1f, half ready at %.1f", name, pieces, *a.CrispAtMin, orLate(c.HalfReadyMin))
			}
		}
	}
}

func TestUnevenPiecesWidenTheWindow(t *testing.T) {
	t.Parallel()
	q := dozenWings()
	q.TailMin = 12
	at := func(spread float64) Chance {
		q.Load.SpreadPct = &spread
		a, err := Simulate(context.Background(), q, Options{})
		if err != nil {
			t.Fatal(err)
		}
		return *a.Chance
	}
	even, uneven := at(3), at(20)
	if *uneven.SafeByMin < *even.SafeByMin+1 || *uneven.LookFirstMin > *even.LookFirstMin-0.2 || orLate(uneven.BestUntilMin) > orLate(even.BestUntilMin) {
		t.Errorf("even: look at %.1f, safe by %.1f, best until %.1f; uneven: %.1f, %.1f, %.1f", *even.LookFirstMin, *even.SafeByMin, orLate(even.BestUntilMin),
			*uneven.LookFirstMin, *uneven.SafeByMin, orLate(uneven.BestUntilMin))
	}
}
