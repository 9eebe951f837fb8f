package verdict

import (
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
)

var tenFlats = load.Request{Load: load.Pieces{Cut: "chicken-wing-flat", Pieces: 10, PieceMassG: 43, Surface: "wiped"}, Coat: &load.Covering{ID: "starch-dust", OilG: 5},
	Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 180, Minutes: 12}, {AirC: 200, Minutes: 12}}, Turns: []load.Turn{{AtMin: 12, Kind: load.Flip}}}}

// inParts is the same load told as lots of so many pieces each.
func inParts(q load.Request, pieces ...int) load.Request {
	all := q.Load.Pieces
	lot := load.LotRequest{Load: q.Load, Coat: q.Coat}
	q.Load, q.Coat, q.Lots = load.Pieces{}, nil, nil
	for _, n := range pieces {
		part, coat := lot, *lot.Coat
		part.Load.Pieces = n
		coat.OilG *= float64(n) / float64(all)
		part.Coat = &coat
		q.Lots = append(q.Lots, part)
	}
	return q
}

// near says whether two minutes are the same to rounding, or both never.
func near(a, b *float64, by float64) bool {
	return a == nil && b == nil || a != nil && b != nil && math.Abs(*a-*b) <= by
}

// One lot told as several of the same kind, in any order, answers as it did.
func TestPartsAreOneLoad(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	r := rand.New(rand.NewPCG(25, 1))
	for n := range loadtest.Cases(200) {
		q := loadtest.Any(r)
		q.Load.Pieces = 3 + r.IntN(10)
		if load.Check(q) != nil {
			continue
		}
		first := 1 + r.IntN(q.Load.Pieces-2)
		second := 1 + r.IntN(q.Load.Pieces-first-1)
		parts := []int{first, second, q.Load.Pieces - first - second}
		whole, split := quick(t, q), quick(t, inParts(q, parts...))
		slices.Reverse(parts)
		turned := quick(t, inParts(q, parts...))
		for k, lot := range split.Lots {
			back := turned.Lots[len(turned.Lots)-1-k]
			for _, f := range []struct {
				what                string
				got, reversed, want *float64
			}{{"safe", lot.SafeAtMin, back.SafeAtMin, whole.SafeAtMin}, {"crisp", lot.CrispAtMin, back.CrispAtMin, whole.CrispAtMin}, {"over", lot.Window.ToMin, back.Window.ToMin, whole.Window.ToMin}} {
				if !near(f.got, f.want, 0.05) || !near(f.got, f.reversed, 1e-6) {
					t.Errorf("dish %d, %s in %v: %s at %v, turned round %v, as one lot %v", n, q.Load.Cut, parts, f.what, f.got, f.reversed, f.want)
				}
			}
			if math.Abs(lot.End.Crust-whole.End.Crust) > 0.2 || math.Abs(lot.End.MassLossPct-whole.End.MassLossPct) > 0.1 || math.Abs(lot.End.EnergyWh-whole.End.EnergyWh) > 0.5 {
				t.Errorf("dish %d, %s in %v: ends at %+v, as one lot at %+v", n, q.Load.Cut, parts, lot.End, whole.End)
			}
			for face, f := range lot.Timeline[len(lot.Timeline)-1].Faces {
				if w := whole.Timeline[len(whole.Timeline)-1].Faces[face]; math.Abs(f.Brown-w.Brown) > 0.01 {
					t.Errorf("dish %d, %s in %v: face %d browns to %.3f, as one lot %.3f", n, q.Load.Cut, parts, face, f.Brown, w.Brown)
				}
			}
		}
	}
}

// The window of the whole is that of one lot, and a part is never later: fewer
// pieces have a less thick thickest one.
func TestTheWindowOfParts(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	whole, err := Simulate(t.Context(), tenFlats, Options{})
	if err != nil {
		t.Fatal(err)
	}
	split, err := Simulate(t.Context(), inParts(tenFlats, 3, 5, 2), Options{})
	if err != nil {
		t.Fatal(err)
	}
	if !near(split.Chance.SafeByMin, whole.Chance.SafeByMin, 0.1) {
		t.Errorf("in parts the whole is safe by %.2f, as one lot by %.2f", *split.Chance.SafeByMin, *whole.Chance.SafeByMin)
	}
	for _, lot := range split.Lots {
		if d := *lot.Chance.SafeByMin - *whole.Chance.SafeByMin; d > 0.1 || d < -1.5 {
			t.Errorf("%d of them are safe by %.2f, all by %.2f", lot.Pieces, *lot.Chance.SafeByMin, *whole.Chance.SafeByMin)
		}
	}
}

// legsAndPrawns are drumsticks, with prawns beside them.
func legsAndPrawns(minutes float64) load.Request {
	return load.Request{
		Lots: []load.LotRequest{
			{Load: load.Pieces{Cut: "chicken-drumstick", Pieces: 3, PieceMassG: 110}, Coat: &load.Covering{ID: "oil-rub", OilG: 3}},
			{Load: load.Pieces{Cut: "prawn", Pieces: 6, PieceMassG: 18}, Coat: &load.Covering{ID: "three-bowl-crumb", OilG: 3}},
		},
		Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 190, Minutes: minutes}}},
	}
}

// Each lot has its own answer in the one air: prawns are done while
// drumsticks are raw, and what lies beside them makes both later.
func TestLotsInOneBasket(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	q := legsAndPrawns(30)
	a, err := Simulate(t.Context(), q, Options{})
	if err != nil {
		t.Fatal(err)
	}
	legs, prawns := a.Lots[0], a.Lots[1]
	if *prawns.SafeAtMin > 8 || *legs.SafeAtMin < *prawns.SafeAtMin+8 || prawns.Name != "prawns" || prawns.Pieces != 6 {
		t.Errorf("prawns safe at %.1f, drumsticks at %.1f", *prawns.SafeAtMin, *legs.SafeAtMin)
	}
	if legs.MayComeOutMin != nil || prawns.MayComeOutMin == nil || *prawns.MayComeOutMin < *prawns.Chance.SafeByMin || prawns.OutMin != 30 {
		t.Errorf("the prawns may come out at %v, the drumsticks at %v", prawns.MayComeOutMin, legs.MayComeOutMin)
	}
	if *a.SafeAtMin != *legs.SafeAtMin || *a.Window.ToMin != *prawns.Window.ToMin {
		t.Error("safe with the last, over with the first")
	}
	alone := q
	alone.Lots = q.Lots[:1]
	if b := quick(t, alone); *b.SafeAtMin > *legs.SafeAtMin {
		t.Errorf("alone they are safe at %.2f, with prawns beside them at %.2f", *b.SafeAtMin, *legs.SafeAtMin)
	}
}

// What is taken out slows the rest no more, and what goes in later begins then.
func TestInLaterAndOutSooner(t *testing.T) {
	t.Parallel()
	q := legsAndPrawns(30)
	all := quick(t, q)
	opened := q
	opened.Program.Turns = []load.Turn{{AtMin: 12, Kind: load.LookIn}}
	looked := quick(t, opened)
	q.Lots[1].OutMin = new(12.0)
	out := quick(t, q)
	if *out.Lots[0].SafeAtMin > *looked.Lots[0].SafeAtMin || out.Lots[1].OutMin != 12 {
		t.Errorf("with the prawns out at 12 safe at %.2f, only looked at %.2f", *out.Lots[0].SafeAtMin, *looked.Lots[0].SafeAtMin)
	}
	if end := out.Lots[1].End; end.MassLossPct >= all.Lots[1].End.MassLossPct {
		t.Errorf("out at 12 the prawns have lost %.1f %%, at 30 %.1f %%", end.MassLossPct, all.Lots[1].End.MassLossPct)
	}
	q.Lots[1].InMin, q.Lots[1].OutMin = 18, nil
	late := quick(t, q)
	took, from0 := *late.Lots[1].SafeAtMin-18, *all.Lots[1].SafeAtMin
	if took < 1 || took > from0+1 || *late.Lots[0].SafeAtMin > *all.Lots[0].SafeAtMin+0.01 {
		t.Errorf("in at 18 the prawns take %.1f minutes, from the start %.1f; drumsticks safe at %.2f, %.2f", took, from0, *late.Lots[0].SafeAtMin, *all.Lots[0].SafeAtMin)
	}
	for field, spoil := range map[string]func(*load.Request){
		"lots[0].inMin":  func(q *load.Request) { q.Lots[0].InMin = 3 },
		"lots[1].inMin":  func(q *load.Request) { q.Lots[1].InMin = 31 },
		"lots[1].outMin": func(q *load.Request) { q.Lots[1].InMin, q.Lots[1].OutMin = 9, new(8.0) },
		"program.stages": func(q *load.Request) { q.Lots[0].OutMin, q.Lots[1].OutMin = new(20.0), new(25.0) },
	} {
		bad := q
		bad.Lots = slices.Clone(q.Lots)
		spoil(&bad)
		if err := load.Check(bad); err == nil || !strings.Contains(err.Error(), field) {
			t.Errorf("%s: %v", field, err)
		}
	}
}

// A turn is for the lots that it names: nobody else's coat tears, browns or glazes.
func TestATurnIsForItsLots(t *testing.T) {
	t.Parallel()
	q := inParts(tenFlats, 4, 3, 3)
	brush := func(ingredient string, of ...int) load.Turn {
		return load.Turn{AtMin: 18, Kind: load.BrushOn, Lots: of, Brush: &load.Brush{Parts: []food.Mixed{{Ingredient: ingredient, Share: 1}}, G: 8}}
	}
	q.Program.Turns = append(slices.Clone(q.Program.Turns), brush("barbecue", 0), brush("mustard", 1))
	a := quick(t, q)
	up := func(g int) float64 { f := a.Lots[g].Timeline; return f[len(f)-1].Faces[1].Brown }
	if !(up(0) > up(2)+0.05) || up(1) >= up(0) {
		t.Errorf("barbecued to %.2f, mustard %.2f, plain %.2f", up(0), up(1), up(2))
	}
	crumbed := legsAndPrawns(30)
	crumbed.Program.Turns = []load.Turn{{AtMin: 1, Kind: load.Flip}}
	if !quickWarns(t, crumbed, Tears) {
		t.Error("crumbs turned at minute 1 hold")
	}
	crumbed.Program.Turns[0].Lots = []int{0}
	if quickWarns(t, crumbed, Tears) {
		t.Error("only the drumsticks are turned, and the crumbs of the prawns tear")
	}
	for field, spoil := range map[string]func(*load.Request){
		"lots[1].load.cut":      func(q *load.Request) { q.Lots[1].Load.Cut = "unicorn" },
		"program.turns[1].lots": func(q *load.Request) { q.Program.Turns[1].Lots = []int{7} },
		"lots":                  func(q *load.Request) { q.Lots[0].Load.Pieces = 60 },
	} {
		bad := q
		bad.Lots = slices.Clone(q.Lots)
		bad.Program.Turns = slices.Clone(q.Program.Turns)
		spoil(&bad)
		if err := load.Check(bad); err == nil || !strings.Contains(err.Error(), field) {
			t.Errorf("%s: %v", field, err)
		}
	}
}

func quickWarns(t *testing.T, q load.Request, code Code) bool {
	t.Helper()
	a := quick(t, q)
	return a.Warns(code)
}

// The groups of before are lots: the first kind is the first of them.
func TestGroupsAreLots(t *testing.T) {
	t.Parallel()
	by := legsAndPrawns(26)
	groups := load.Request{Load: by.Lots[0].Load, Coat: by.Lots[0].Coat, Program: by.Program,
		Groups: []load.Group{{Load: by.Lots[1].Load, Coat: by.Lots[1].Coat}}}
	a, b := quick(t, by), quick(t, groups)
	for k := range a.Lots {
		if *a.Lots[k].SafeAtMin != *b.Lots[k].SafeAtMin || a.Lots[k].Name != b.Lots[k].Name {
			t.Errorf("lot %d is safe at %g, as a group at %g", k, *a.Lots[k].SafeAtMin, *b.Lots[k].SafeAtMin)
		}
	}
	bad := groups
	bad.Program.Turns = []load.Turn{{AtMin: 9, Kind: load.BrushOn, Group: 7, Brush: &load.Brush{Parts: []food.Mixed{{Ingredient: "mustard", Share: 1}}, G: 5}}}
	if err := load.Check(bad); err == nil || !strings.Contains(err.Error(), "program.turns[0].group") {
		t.Error(err)
	}
}

func BenchmarkThreeLots(b *testing.B) {
	for _, c := range []struct {
		name string
		q    load.Request
	}{{"one", tenFlats}, {"two", inParts(tenFlats, 5, 5)}, {"three", inParts(tenFlats, 4, 3, 3)}} {
		b.Run(c.name, func(b *testing.B) {
			for b.Loop() {
				if _, err := Simulate(b.Context(), c.q, Options{}); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}

// The verdict of a basket speaks of all lots in it: the worst decides, each is
// named, and one that is taken out in its time counts as ready.
func TestTheVerdictSpeaksOfAllLots(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	basket := func(minutes float64, turns ...load.Turn) Answer {
		t.Helper()
		a, err := Simulate(t.Context(), load.Request{
			Lots: []load.LotRequest{
				{Load: load.Pieces{Cut: "prawn", Pieces: 8, PieceMassG: 20}, Coat: &load.Covering{ID: "three-bowl-crumb", OilG: 4}},
				{Load: load.Pieces{Cut: "chicken-drumstick", Pieces: 4, PieceMassG: 110}, Coat: &load.Covering{ID: "oil-rub", OilG: 4}},
			},
			Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 185, Minutes: minutes}}, Turns: turns},
		}, Options{})
		if err != nil {
			t.Fatal(err)
		}
		return a
	}
	short := basket(12)
	if v := short.Verdict; v.Ready || v.Standing != NeverSafe && v.Standing != TooShort || !strings.Contains(v.Says, "The drumsticks: ") || !strings.Contains(v.Says, "The prawns") || v.SafeBy != "not in time" {
		t.Errorf("prawns and drumsticks for 12 minutes: %+v", v)
	}
	if !short.Lots[0].Verdict.Ready {
		t.Errorf("the prawns alone: %+v", short.Lots[0].Verdict)
	}
	long := basket(30)
	if v := long.Verdict; v.Ready || v.FromMin != nil {
		t.Errorf("both for 30 minutes: %+v", v)
	}
	out := math.Ceil(*long.Lots[0].Verdict.FromMin)
	apart := basket(30, load.Turn{AtMin: out, Kind: load.TakeOut, Lots: []int{0}})
	if v := apart.Verdict; !v.Ready || !strings.Contains(v.Says, "Each in its time") || v.SafeBy != apart.Lots[1].Verdict.SafeBy {
		t.Errorf("the prawns taken out at %g: %+v; %+v", out, v, apart.Lots[0].Verdict)
	}
	if raw := basket(30, load.Turn{AtMin: 2, Kind: load.TakeOut, Lots: []int{1}}); raw.Verdict.Ready {
		t.Errorf("drumsticks taken out after two minutes: %+v", raw.Verdict)
	}
	// Ready at one time, it says who is last and who may come out before.
	two, err := Simulate(t.Context(), load.Request{
		Lots: []load.LotRequest{
			{Load: load.Pieces{Cut: "chicken-thigh-bone-in", Pieces: 2, PieceMassG: 140}},
			{Load: load.Pieces{Cut: "chicken-drumstick", Pieces: 3, PieceMassG: 115}},
		},
		Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 190, Minutes: 34}}, Turns: []load.Turn{{AtMin: 14, Kind: load.Flip}}},
	}, Options{})
	if err != nil {
		t.Fatal(err)
	}
	if v := two.Verdict; !v.Ready || !strings.Contains(v.Says, "The thighs on the bone are last; the drumsticks may come out at ") {
		t.Errorf("thighs and drumsticks: %+v", v)
	}
	// What is wrong with one is said by its name, of all alike once.
	for _, w := range short.Warnings {
		if w.Code == UnderRule && (w.Lot != 1 || w.LotName != "drumsticks") {
			t.Errorf("under the rule is %+v", w)
		}
	}
	// A quick answer knows nothing of 95 loads in 100, and says nothing of them.
	q := loadtest.Usual[0]
	quick, err := Simulate(t.Context(), q, Options{NoChance: true})
	if err != nil {
		t.Fatal(err)
	}
	if v := quick.Verdict; v.Standing != Unknown || v.Ready || v.SafeBy != "" || v.FromMin != nil {
		t.Errorf("without the window: %+v", v)
	}
}

// A lot that comes out between two looks ended as it was at the look before.
func TestOutBetweenLooks(t *testing.T) {
	ends := func(out float64) End {
		t.Helper()
		q := load.Request{Lots: []load.LotRequest{
			{Load: load.Pieces{Cut: "chicken-drumstick", Pieces: 3, PieceMassG: 105}},
			{Load: load.Pieces{Cut: "chicken-wing-flat", Pieces: 4, PieceMassG: 43}, OutMin: &out},
		}, Program: load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 28.1}}}}
		a, err := Simulate(t.Context(), q, Options{NoChance: true})
		if err != nil {
			t.Fatal(err)
		}
		return a.Lots[1].End
	}
	before, between, after := ends(20), ends(20.13), ends(20.5)
	if between.CoreC < before.CoreC-1e-9 || between.CoreC > after.CoreC || between.JuiceKeptPct <= 0 || between.EnergyWh <= 0 || between.CrustWords == "" {
		t.Errorf("out at 20.13 it ended as %+v, at 20 as %+v, at 20.5 as %+v", between, before, after)
	}
}
