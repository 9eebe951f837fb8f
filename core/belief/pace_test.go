package belief

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
)

// someKitchens are cooks of all sorts: thin and thick, boned and not, gentle
// then hot, under the UK's rule, in a fryer that nobody has measured.
func someKitchens() []load.Request {
	out := slices.Clone(beliefKitchens)
	staged := loadtest.Usual[0]
	staged.Program = load.Program{Stages: []load.Stage{{AirC: 160, Minutes: 15}, {AirC: 200, Minutes: 12}}, Turns: []load.Turn{{AtMin: 15, Kind: load.Flip}}}
	staged.Guidance = "uk"
	prawns := load.Request{Load: load.Pieces{Cut: "prawn", Pieces: 14, PieceMassG: 18}, Coat: &load.Covering{ID: "three-bowl-crumb", OilG: 6}, Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 200, Minutes: 9}}}}
	unknown := loadtest.Usual[1]
	unknown.Fryer = &load.Fryer{Inferred: []string{"airflow", "heatUp"}}
	unknown.Load.ThicknessMm = new(24.0)
	return append(out, staged, prawns, unknown)
}

// anEvening is a random set of what may be seen in one cook.
func anEvening(r *rand.Rand, minutes float64) (all []Evidence) {
	for range 1 + r.IntN(4) {
		e := Evidence{AtMin: math.Round(2*minutes*1.2*r.Float64()) / 2, Kind: SeenProbe, C: -5 + 115*r.Float64()}
		switch r.IntN(6) {
		case 0:
			e.Piece = "any"
		case 1:
			e.Kind, e.Insertion = SeenLeftIn, "one"
		}
		if len(all) > 0 && r.IntN(3) == 0 {
			e.AtMin = all[0].AtMin
		}
		all = append(all, e)
	}
	at := minutes * r.Float64()
	switch r.IntN(5) {
	case 0:
		all = append(all, Evidence{AtMin: at, Kind: SeenLook, Shade: Shades[r.IntN(len(Shades))].Name})
	case 1:
		all = append(all, Evidence{AtMin: at, Kind: SeenDisplay, C: 150 + 50*r.Float64()})
	case 2:
		all = append(all, Evidence{AtMin: at, Kind: SeenCut, Raw: r.IntN(2) == 0})
	}
	return all
}

// After a colder reading nothing is safe earlier: over random loads, minutes
// and sets of readings, with what else was seen.
func TestAColderReadingIsNeverSafeSooner(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	r := rand.New(rand.NewPCG(12, 4))
	late := func(v *float64) float64 {
		if v == nil {
			return math.Inf(1)
		}
		return *v
	}
	for _, q := range someKitchens() {
		b, err := Believe(t.Context(), q)
		if err != nil {
			t.Fatal(err)
		}
		for n := range loadtest.Cases(150) {
			warm := anEvening(r, q.Program.Minutes())
			cold := slices.Clone(warm)
			for i := range cold {
				if cold[i].isReading() && (i == 0 || r.IntN(2) == 0) {
					cold[i].C -= (cold[i].C + 5) * r.Float64()
				}
			}
			end := q.Program.Minutes() * 1.2
			was, _ := b.lots[0].foresee(warm, end)
			is, _ := b.lots[0].foresee(cold, end)
			if late(is.SafeAtMin) < late(was.SafeAtMin)-1e-6 || late(is.SafeByMin) < late(was.SafeByMin)-1e-6 {
				t.Fatalf("%s: %+v is safe at %.3f, by %.3f; colder, %+v, at %.3f, by %.3f", q.Load.Cut, warm, late(was.SafeAtMin), late(was.SafeByMin), cold, late(is.SafeAtMin), late(is.SafeByMin))
			}
			if n%30 > 0 {
				continue
			}
			// How much longer, with what was felt of the crust.
			soft := Evidence{AtMin: end - 1, Kind: SeenSoft}
			more, _ := b.foresee(append(warm, soft), end)
			longer, _ := b.foresee(append(cold, soft), end)
			if late(longer.MoreMin) < late(more.MoreMin) {
				t.Fatalf("%s: %v more minutes, colder %v: %+v, %+v", q.Load.Cut, late(more.MoreMin), late(longer.MoreMin), warm, cold)
			}
		}
	}
}

// A reading under the rule at the end, the first that a cook takes, binds: it
// is shown as it was read, and the minutes are counted from it.
func TestALowReadingAtTheEndBinds(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	for _, c := range []struct {
		q      load.Request
		minute float64
	}{{loadtest.Usual[1], 17}, {loadtest.Usual[0], 26}, {beliefKitchens[0], 28}} {
		b, err := Believe(t.Context(), c.q)
		if err != nil {
			t.Fatal(err)
		}
		before := 0.0
		for _, low := range []float64{73, 70, 66, 60, 50, 40} {
			f, _, err := b.Foresee([]Evidence{{AtMin: c.minute, Kind: SeenProbe, C: low}})
			if err != nil {
				t.Fatal(err)
			}
			if f.SafeByMin == nil || f.MoreMin == nil || f.CoreC > low || f.CoreC < low-8 {
				t.Fatalf("%s, %.0f °C at the end: %+v", c.q.Load.Cut, low, f)
			}
			// No inside warms by more than 12 °C a minute up there.
			if least := math.Max(1, (73.9-low)/12); *f.MoreMin < least || *f.MoreMin < before {
				t.Errorf("%s, %.0f °C at minute %.0f: %.0f min more, of %.0f at 10 °C more", c.q.Load.Cut, low, c.minute, *f.MoreMin, before)
			}
			before = *f.MoreMin
		}
		// A later one that is over the rule lets it go.
		f, _, err := b.Foresee([]Evidence{{AtMin: c.minute, Kind: SeenProbe, C: 45}, {AtMin: c.minute + 3, Kind: SeenProbe, C: 84}})
		if err != nil || *f.SafeByMin > c.minute+10 {
			t.Errorf("%s: 45, then 84 °C: %+v", c.q.Load.Cut, f)
		}
	}
}

// The inside of a load does not jump: what its lines say is in the order of
// their paces at each minute, and rises to the rule by the pace's own minute.
func TestLinesAreInTheOrderOfTheirPaces(t *testing.T) {
	t.Parallel()
	b, err := Believe(t.Context(), loadtest.Usual[0])
	if err != nil {
		t.Fatal(err)
	}
	for _, f := range b.lots[0].pace.causes {
		for i := range f.coldC {
			for k := 1; k < paces; k++ {
				if f.coldC[i][k] > f.coldC[i][k-1] {
					t.Fatalf("at look %d a slower load is warmer", i)
				}
			}
		}
		for k := paces / 4; k < paces/2; k++ {
			at := math.Exp(b.lots[0].pace.logs[k])
			i, past := b.lots[0].pace.looksAround(at)
			if c := f.coldC[i][k]*(1-past) + f.coldC[i+1][k]*past; at < b.lots[0].end && math.Abs(c-b.load.Only().Rule.CoreC) > 3 {
				t.Errorf("a load that is safe at %.1f has %.1f °C then", at, c)
			}
		}
	}
}
