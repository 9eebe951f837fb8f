package verdict

import (
	"context"
	"encoding/json"
	"errors"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"velocrustum/core/food"
	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/refuse"
	"velocrustum/core/run"
)

func TestAGlazeCountsFromItsMinute(t *testing.T) {
	t.Parallel()
	plain := quick(t, loadtest.BrushedWings(0, 0, 180))
	glazed := quick(t, loadtest.BrushedWings(15, 25, 180))
	for m := 0.0; m <= 14.5; m += 0.5 {
		a, b := run.Nearest(plain.Timeline, m), run.Nearest(glazed.Timeline, m)
		if math.Abs(a.CoreC-b.CoreC) > 0.05 || math.Abs(a.Faces[0].Brown-b.Faces[0].Brown) > 0.005 {
			t.Fatalf("at minute %g, before the brush: %+v and %+v", m, a, b)
		}
	}
	// At minute 15 the second face is up: it is wet, and then browns sooner.
	if wet, dry := run.Nearest(glazed.Timeline, 15.5).Faces[1].Crust, run.Nearest(plain.Timeline, 15.5).Faces[1].Crust; wet > dry-10 {
		t.Errorf("just brushed its crust is %.0f, unbrushed %.0f", wet, dry)
	}
	if sweet, not := run.Nearest(glazed.Timeline, 21).Faces[1].Brown, run.Nearest(plain.Timeline, 21).Faces[1].Brown; sweet < not+0.1 {
		t.Errorf("with a glaze it browns to %.2f, without to %.2f", sweet, not)
	}
	if under, not := run.Nearest(glazed.Timeline, 21).Faces[0].Brown, run.Nearest(plain.Timeline, 21).Faces[0].Brown; math.Abs(under-not) > 0.1 {
		t.Errorf("the face that was down browns to %.2f, unbrushed to %.2f", under, not)
	}
	if now := run.Nearest(glazed.Timeline, 21); now.MassLossPct < 0 || now.CoreC > run.Nearest(plain.Timeline, 21).CoreC+0.1 {
		t.Errorf("a brush heats the food: %+v", now)
	}
	// Earlier, or hotter, is browner.
	browns := func(at, g, c float64) float64 {
		a := quick(t, loadtest.BrushedWings(at, g, c))
		f := a.Timeline[len(a.Timeline)-1].Faces
		return f[1].Brown
	}
	base := browns(15, 20, 180)
	for what, b := range map[string]float64{"earlier": browns(12, 20, 180), "hotter": browns(15, 20, 200)} {
		if b <= base {
			t.Errorf("%s of a glaze browns to %.2f, not over %.2f", what, b, base)
		}
	}
}

// A wet layer that has dried, in the steam of a bowl: steam that stands has no
// more than the room's pressure.
func TestADryCoatInSteam(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	layer := func(parts ...food.Mixed) food.CoatLayer { return food.CoatLayer{Parts: parts} }
	q := load.Request{Load: load.Pieces{Cut: "chicken-drumette", Pieces: 2, PieceMassG: 48, SurfaceWaterG: new(0.3)},
		Coat: &load.Covering{RestMin: new(10.0), Layers: []food.CoatLayer{layer(food.Mixed{Ingredient: "ketchup", Share: 1}, food.Mixed{Ingredient: "soda", Share: 3}),
			layer(food.Mixed{Ingredient: "lemon-zest", Share: 1}, food.Mixed{Ingredient: "egg", Share: 1}), layer(food.Mixed{Ingredient: "sweet-pepper", Share: 1})}},
		Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 200, Minutes: 22}, {AirC: 180, Minutes: 10, Hold: load.HoldBowl}}, Turns: []load.Turn{{AtMin: 17, Kind: load.Flip}, {AtMin: 19, Kind: load.Flip}}}}
	a, err := Simulate(t.Context(), q, Options{})
	if err != nil {
		t.Fatal(err)
	}
	if _, err := json.Marshal(a); err != nil {
		t.Error(err)
	}
}

// A loose coat lets vapour through: it keeps no skin wet, and hides no raw
// middle.
func TestADustHelpsTheCrustAndBarelyMovesSafe(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	for _, cut := range food.Cuts() {
		if cut.Wrapped() || cut.ID == "duck-leg" { // its fat is a wrap of its own
			continue
		}
		for _, airC := range []float64{170, 185, 200} {
			as := func(coat string) Answer { // whatever is wanted of it uncoated
				q := loadtest.Typical(cut, coat, airC)
				q.CrustWanted = new(60.0)
				return quick(t, q)
			}
			bare := as("bare")
			for _, coat := range []string{"starch-dust", "flour-dust", "flour-starch", "double-dredge"} {
				a := as(coat)
				if loadtest.OrLate(a.CrispAtMin) > loadtest.OrLate(bare.CrispAtMin)+0.1 {
					t.Errorf("%s at %g °C: crisp at %.1f in %s, at %.1f bare", cut.ID, airC, loadtest.OrLate(a.CrispAtMin), coat, loadtest.OrLate(bare.CrispAtMin))
				}
				// A minute and two thirds; of what takes over 20, a thirteenth.
				if d := loadtest.OrLate(a.SafeAtMin) - loadtest.OrLate(bare.SafeAtMin); math.Abs(d) > math.Max(1.67, loadtest.OrLate(bare.SafeAtMin)/13) {
					t.Errorf("%s at %g °C: safe %+.1f min in %s, at %.1f bare", cut.ID, airC, d, coat, loadtest.OrLate(bare.SafeAtMin))
				}
			}
		}
	}
}

// At one mass a thicker piece is safe no sooner, millimetre by millimetre, but for a
// tenth of a minute or a percent.
func TestThickerIsLaterMillimetreByMillimetre(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	cuts := food.Cuts()
	few := len(cuts) / loadtest.Cases(len(cuts)) // one in so many
	for n, cut := range cuts {
		if n%few > 0 {
			continue
		}
		least, most := cut.Thicknesses(cut.Typical)
		last := 0.0
		for mm := least; mm <= most; mm++ {
			q := loadtest.Typical(cut, "oil-rub", 185)
			q.Load.ThicknessMm, q.Load.Pieces = &mm, 1
			q.Program.Turns = nil
			safe := loadtest.OrLate(quick(t, q).SafeAtMin)
			if safe < last-math.Max(0.1, last/100) {
				t.Errorf("%s: safe at %.2f with %g mm, at %.2f with one less", cut.ID, safe, mm, last)
			}
			last = safe
		}
	}
}

// jump is the most that one step of a scan may move an answer of m minutes:
// one, or a sixteenth of a long time; an eighth where pieces crowd, since there
// each one more begins to take air from the rest.
func jump(m, coverage float64) float64 {
	if coverage > fryer.FreeCoverage {
		return math.Max(1, 0.12*m)
	}
	return math.Max(1, 0.06*m)
}

// One piece, one gram, one millimetre or one kelvin more moves no answer by
// over a minute where nothing new begins.
func TestAnswersHaveNoCorners(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	kinds := []struct{ cut, coat string }{
		{"chicken-wing-flat", "starch-dust"}, {"chicken-drumstick", "double-dredge"}, {"chicken-thigh-chunk", "flour-starch"},
		{"chicken-breast-chunk", "three-bowl-crumb"}, {"fish-strip", "three-bowl-crumb"}, {"potato-wedge", "oil-rub"}, {"pork-belly-slice", "bare"},
	}
	for _, c := range kinds[:loadtest.Cases(len(kinds))] {
		cut, err := food.FindCut(c.cut)
		if err != nil {
			t.Fatal(err)
		}
		scan := func(what string, from, to, step float64, set func(q *load.Request, v float64)) {
			var last *Answer
			for v := from; v <= to; v += step {
				q := loadtest.Typical(cut, c.coat, 185)
				set(&q, v)
				a, err := Simulate(context.Background(), q, Options{NoChance: true})
				if fields := (refuse.Fields)(nil); errors.As(err, &fields) {
					last = nil
					continue // not taken, and said so
				} else if err != nil {
					t.Fatal(err)
				}
				if last != nil {
					for name, pair := range map[string][2]*float64{"safe": {a.SafeAtMin, last.SafeAtMin}, "crisp": {a.CrispAtMin, last.CrispAtMin}} {
						if pair[0] == nil || pair[1] == nil {
							continue
						}
						if d := *pair[0] - *pair[1]; math.Abs(d) > jump(*pair[0], a.Coverage) {
							t.Errorf("%s in %s, %s %g: %s moves by %+.2f to %.1f", c.cut, c.coat, what, v, name, d, *pair[0])
						}
					}
				}
				last = &a
			}
		}
		scan("pieces", 1, 40, 1, func(q *load.Request, v float64) { q.Load.Pieces = int(v) })
		scan("grams", 30, 90, 1, func(q *load.Request, v float64) { q.Load.PieceMassG = v })
		scan("grams in a dozen", 30, 90, 1, func(q *load.Request, v float64) { q.Load.PieceMassG, q.Load.Pieces = v, 12 })
		scan("mm", 8, 70, 1, func(q *load.Request, v float64) { q.Load.ThicknessMm = &v })
		scan("°C", 120, 230, 1, func(q *load.Request, v float64) { q.Program.Stages[0].AirC = v })
	}
}

// A basket that goes into a hot fryer is never slower than the first.
func TestAHotFryerIsNeverSlower(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	r := rand.New(rand.NewPCG(5, 8))
	for range 30 {
		q := loadtest.Any(r)
		q.Program.PreheatMin = 10 * r.Float64()
		first := quick(t, q)
		q.Program.HotFromC = q.Program.Stages[0].AirC
		next := quick(t, q)
		if loadtest.OrLate(next.SafeAtMin) > loadtest.OrLate(first.SafeAtMin)+0.02 || loadtest.OrLate(next.CrispAtMin) > loadtest.OrLate(first.CrispAtMin)+0.05 {
			t.Errorf("%s in %s: safe at %.2f from hot and %.2f first, crisp at %.2f and %.2f", q.Load.Cut, q.Coat.ID,
				loadtest.OrLate(next.SafeAtMin), loadtest.OrLate(first.SafeAtMin), loadtest.OrLate(next.CrispAtMin), loadtest.OrLate(first.CrispAtMin))
		}
	}
}

// While the air stays hot the coldest meat never cools, in any coat.
func TestTheColdestMeatNeverFalls(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	r := rand.New(rand.NewPCG(6, 1))
	for range 60 {
		q := loadtest.Any(r)
		q.Program.Stages[0].AirC = 140 + 90*r.Float64()
		q.Program.Turns = nil // the drawer stays shut
		last := -10.0
		for _, m := range quick(t, q).Timeline {
			if m.CoreC < last-0.02 {
				t.Errorf("%s in %s, %.0f g: %.2f °C at minute %g, %.2f before", q.Load.Cut, q.Coat.ID, q.Load.PieceMassG, m.CoreC, m.Minute, last)
			}
			last = m.CoreC
		}
	}
}

func TestAWrapCountsOnce(t *testing.T) {
	t.Parallel()
	cut, _ := food.FindCut("prawn-wrapped")
	bare, wrapped := quick(t, loadtest.Typical(cut, "bare", 190)), quick(t, loadtest.Typical(cut, food.Wrap, 190))
	if *bare.SafeAtMin != *wrapped.SafeAtMin || bare.End.MassLossPct != wrapped.End.MassLossPct {
		t.Errorf("safe at %v and %v", *bare.SafeAtMin, *wrapped.SafeAtMin)
	}
}

func TestTheSlowestPieceDecides(t *testing.T) {
	t.Parallel()
	q := load.Request{Load: load.Pieces{Cut: "chicken-wing-flat", Pieces: 12, PieceMassG: 42}, Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 190, Minutes: 30}}}}
	one := quick(t, q)
	q.Load.Pieces = 24
	two := quick(t, q)
	if one.Layers != 1 || two.Layers != 2 {
		t.Fatalf("layers %d and %d", one.Layers, two.Layers)
	}
	if *two.SafeAtMin < *one.SafeAtMin+1 {
		t.Errorf("two layers are safe at %.1f, one at %.1f", *two.SafeAtMin, *one.SafeAtMin)
	}
	// A shake mixes them, a flip does not.
	q.Program.Turns = []load.Turn{{AtMin: 6, Kind: load.Flip}}
	flipped := quick(t, q)
	q.Program.Turns = []load.Turn{{AtMin: 6, Kind: load.Shake}}
	if shaken := quick(t, q); *shaken.SafeAtMin > *flipped.SafeAtMin-0.5 {
		t.Errorf("shaken safe at %.1f, flipped at %.1f", *shaken.SafeAtMin, *flipped.SafeAtMin)
	}
}

// The less air comes from below, the later it is crisp and the later safe; a
// greased grate takes none, and lets a coat be turned sooner.
func TestWhatLiesUnderTheFood(t *testing.T) {
	t.Parallel()
	on := func(under string) Answer {
		return quick(t, load.Request{Load: load.Pieces{Cut: "chicken-thigh-chunk", Pieces: 14, PieceMassG: 24, Under: under}, Coat: &load.Covering{ID: "double-dredge", OilG: 9},
			Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 190, Minutes: 22}}, Turns: []load.Turn{{AtMin: 5, Kind: load.Flip}}}})
	}
	bare := on("")
	last := bare
	for _, under := range load.Unders {
		now := on(under)
		if *now.SafeAtMin < *last.SafeAtMin-1e-9 || *now.CrispAtMin < *last.CrispAtMin-1e-9 {
			t.Errorf("on %s safe at %.2f and crisp at %.2f, sooner than with more air, %.2f and %.2f", under, *now.SafeAtMin, *now.CrispAtMin, *last.SafeAtMin, *last.CrispAtMin)
		}
		says := slices.ContainsFunc(now.Warnings, func(w Warning) bool { return w.Code == "liner" })
		if wanted := under == load.Perforated || under == load.HalfSheet || under == load.Foil; says != wanted {
			t.Errorf("on %s the liner is spoken of: %v", under, says)
		}
		last = now
	}
	if *last.CrispAtMin < *bare.CrispAtMin+1 || *on(load.Greased).CrispAtMin != *bare.CrispAtMin {
		t.Errorf("crisp at %.1f on the grate, %.1f on it greased, %.1f on foil", *bare.CrispAtMin, *on(load.Greased).CrispAtMin, *last.CrispAtMin)
	}
	if err := load.Check(load.Request{Load: load.Pieces{Cut: "prawn", Pieces: 4, PieceMassG: 18, Under: "straw"}, Program: bare1}); err == nil {
		t.Error("straw was taken")
	}
}

var bare1 = load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 9}}}

func TestRestCoolsTheOutsideAndSteamsOff(t *testing.T) {
	t.Parallel()
	q := load.Request{Load: load.Pieces{Cut: "chicken-drumstick", Pieces: 3, PieceMassG: 110}, Program: load.Program{PreheatMin: 4,
		Stages: []load.Stage{{AirC: 180, Minutes: 14}, {AirC: 200, Minutes: 5, Rest: true}, {AirC: 200, Minutes: 8}}}}
	a := quick(t, q)
	out, in := run.Nearest(a.Timeline, 14.5), run.Nearest(a.Timeline, 18.5)
	if in.UpperC > out.UpperC-15 || in.MassLossPct <= out.MassLossPct {
		t.Errorf("resting, the surface goes from %.0f to %.0f °C and the loss from %.1f to %.1f %%", out.UpperC, in.UpperC, out.MassLossPct, in.MassLossPct)
	}
	if in.AirC < 190 {
		t.Errorf("the empty fryer stands at %.0f °C after the rest", in.AirC)
	}
	q.Program.Stages = q.Program.Stages[:2]
	var fields refuse.Fields
	if err := load.Check(q); !errors.As(err, &fields) || fields[0].Field != "program.stages[1].rest" {
		t.Errorf("a rest at the end gave %v", err)
	}
}

func TestACheckCostsHeatAndMovesNothing(t *testing.T) {
	t.Parallel()
	q := loadtest.DozenWings()
	q.Program.Turns = []load.Turn{{AtMin: 8, Kind: load.LookIn}, {AtMin: 12, Kind: load.Flip}}
	looked, plain := quick(t, q), quick(t, loadtest.DozenWings())
	if d := loadtest.OrLate(looked.SafeAtMin) - loadtest.OrLate(plain.SafeAtMin); d <= 0 || d > 1 {
		t.Errorf("a look makes it safe %.2f min later", d)
	}
	if d := looked.End.Crust - plain.End.Crust; d > 0.5 || d < -12 {
		t.Errorf("a look changes the crust by %.1f", d)
	}
}

func TestAHotFryerIsSooner(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	r := rand.New(rand.NewPCG(3, 9))
	for range 20 {
		q := loadtest.Any(r)
		q.Program.PreheatMin = 0
		cold := quick(t, q)
		q.Program.HotFromC = 195
		hot := quick(t, q)
		if hot.SafeAtMin == nil || cold.SafeAtMin == nil {
			continue // too large for its time
		}
		if gain := loadtest.OrLate(cold.SafeAtMin) - loadtest.OrLate(hot.SafeAtMin); gain < 0.5 || gain > 6 {
			t.Errorf("%s: a hot fryer gains %.1f min", q.Load.Cut, gain)
		}
	}
}
