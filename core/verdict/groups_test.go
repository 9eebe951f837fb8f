package verdict

import (
	"math"
	"strings"
	"testing"

	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
)

var group = load.Request{Load: load.Pieces{Cut: "chicken-wing-flat", Pieces: 10, PieceMassG: 43, Surface: "wiped"}, Coat: &load.Covering{ID: "starch-dust", OilG: 5},
	Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 180, Minutes: 12}, {AirC: 200, Minutes: 12}}, Turns: []load.Turn{{AtMin: 12, Kind: load.Flip}}}}

// halved is the same load as two groups of half its pieces.
func halved(q load.Request) load.Request {
	q.Load.Pieces /= 2
	coat := *q.Coat
	coat.OilG /= 2
	q.Coat = &coat
	q.Groups = []load.Group{{Name: "the others", Load: q.Load, Coat: &coat}}
	return q
}

// A load of one kind split into two equal groups answers as the load did.
func TestTwoHalvesAreOneLoad(t *testing.T) {
	t.Parallel()
	for _, pieces := range []int{6, 10, 16} { // loose, close, more than a layer
		q := group
		q.Load.Pieces = pieces
		whole, split := quick(t, q), quick(t, halved(q))
		if len(split.Lots) != 2 || len(whole.Lots) != 0 {
			t.Fatalf("%d groups, and %d of one kind", len(split.Lots), len(whole.Lots))
		}
		for _, g := range split.Lots {
			for _, f := range []struct {
				what      string
				got, want *float64
			}{{"safe", g.SafeAtMin, whole.SafeAtMin}, {"crisp", g.CrispAtMin, whole.CrispAtMin}} {
				if f.got == nil || f.want == nil || math.Abs(*f.got-*f.want) > 0.02 {
					t.Errorf("%d in two halves, %s: %s at %v, in one %v", pieces, g.Name, f.what, f.got, f.want)
				}
			}
			if math.Abs(g.End.Crust-whole.End.Crust) > 0.1 || math.Abs(g.End.CoreC-whole.End.CoreC) > 0.05 || math.Abs(g.End.EnergyWh-whole.End.EnergyWh) > 0.1 {
				t.Errorf("%d in two halves end at %+v, in one at %+v", pieces, g.End, whole.End)
			}
		}
	}
	whole, err := Simulate(t.Context(), group, Options{})
	if err != nil {
		t.Fatal(err)
	}
	split, err := Simulate(t.Context(), halved(group), Options{})
	if err != nil {
		t.Fatal(err)
	}
	// Fewer pieces have a less thick thickest one: never later than the whole.
	for _, g := range split.Lots {
		if d := *g.Chance.SafeByMin - *whole.Chance.SafeByMin; d > 0.1 || d < -1.2 {
			t.Errorf("%s are safe by %.2f, the whole load by %.2f", g.Name, *g.Chance.SafeByMin, *whole.Chance.SafeByMin)
		}
	}
}

// Each kind has its own answer in the one air: prawns are done while
// drumsticks are raw, and what lies beside them makes both later.
func TestKindsInOneBasket(t *testing.T) {
	t.Parallel()
	q := load.Request{Load: load.Pieces{Cut: "chicken-drumstick", Pieces: 3, PieceMassG: 110}, Coat: &load.Covering{ID: "oil-rub", OilG: 3},
		Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 190, Minutes: 26}}, Turns: []load.Turn{{AtMin: 13, Kind: load.Flip}}},
		Groups:  []load.Group{{Load: load.Pieces{Cut: "prawn", Pieces: 6, PieceMassG: 18}, Coat: &load.Covering{ID: "three-bowl-crumb", OilG: 3}}}}
	a, err := Simulate(t.Context(), q, Options{})
	if err != nil {
		t.Fatal(err)
	}
	legs, prawns := a.Lots[0], a.Lots[1]
	if *prawns.SafeAtMin > 8 || *legs.SafeAtMin < *prawns.SafeAtMin+8 || prawns.Name != "prawns" || prawns.Pieces != 6 {
		t.Errorf("prawns safe at %.1f, drumsticks at %.1f", *prawns.SafeAtMin, *legs.SafeAtMin)
	}
	if prawns.OutMin >= legs.OutMin || prawns.Chance == nil || prawns.Rule.CoreC == 0 {
		t.Errorf("out at %.0f and %.0f", prawns.OutMin, legs.OutMin)
	}
	if *a.SafeAtMin != *legs.SafeAtMin {
		t.Error("the answer itself is not that of the load")
	}
	alone := q
	alone.Groups = nil
	if b := quick(t, alone); *b.SafeAtMin > *legs.SafeAtMin {
		t.Errorf("alone they are safe at %.2f, with prawns beside them at %.2f", *b.SafeAtMin, *legs.SafeAtMin)
	}
	// The order of the kinds does not matter.
	turned := q
	turned.Load, turned.Coat = q.Groups[0].Load, q.Groups[0].Coat
	turned.Groups = []load.Group{{Load: q.Load, Coat: q.Coat}}
	if b := quick(t, turned); math.Abs(*b.Lots[1].SafeAtMin-*legs.SafeAtMin) > 1e-6 || math.Abs(*b.Lots[0].CrispAtMin-*prawns.CrispAtMin) > 1e-6 {
		t.Errorf("the other way around safe at %.3f, not %.3f", *b.Lots[1].SafeAtMin, *legs.SafeAtMin)
	}
}

// Flavours lie beside each other: a brush is for its own group.
func TestFlavoursByGroups(t *testing.T) {
	t.Parallel()
	q := halved(group)
	q.Groups = append(q.Groups, load.Group{Name: "plain", Load: q.Load, Coat: q.Coat})
	// As full as the one, which "three" is not: it is half as full again.
	thirds := halved(group)
	thirds.Load.Pieces = group.Load.Pieces / 3
	thirds.Groups = []load.Group{{Load: thirds.Load, Coat: q.Coat}, {Load: thirds.Load, Coat: q.Coat}}
	q.Load.Pieces, q.Groups[0].Load.Pieces, q.Groups[1].Load.Pieces = 4, 4, 4
	brush := func(ingredient string, of int) load.Turn {
		return load.Turn{AtMin: 18, Kind: load.BrushOn, Group: of, Brush: &load.Brush{Parts: []food.Mixed{{Ingredient: ingredient, Share: 1}}, G: 8}}
	}
	q.Program.Turns = append(q.Program.Turns, brush("barbecue", 0), brush("mustard", 1))
	a := quick(t, q)
	up := func(g int) float64 { f := a.Lots[g].Timeline; return f[len(f)-1].Faces[1].Brown }
	if !(up(0) > up(2)+0.05) || up(1) >= up(0) {
		t.Errorf("barbecued to %.2f, mustard %.2f, plain %.2f", up(0), up(1), up(2))
	}
	for field, spoil := range map[string]func(*load.Request){
		"groups[0].load.cut":     func(q *load.Request) { q.Groups[0].Load.Cut = "unicorn" },
		"program.turns[1].group": func(q *load.Request) { q.Program.Turns[1].Group = 7 },
		"groups":                 func(q *load.Request) { q.Groups[0].Load.Pieces = 60 },
	} {
		bad := q
		bad.Groups = append([]load.Group{}, q.Groups...)
		bad.Program.Turns = append([]load.Turn{}, q.Program.Turns...)
		spoil(&bad)
		if err := load.Check(bad); err == nil || !strings.Contains(err.Error(), field) {
			t.Errorf("%s: %v", field, err)
		}
	}
}

func BenchmarkThreeGroups(b *testing.B) {
	q := halved(group)
	q.Groups = append(q.Groups, load.Group{Name: "plain", Load: q.Load, Coat: q.Coat})
	// As full as the one, which "three" is not: it is half as full again.
	thirds := halved(group)
	thirds.Load.Pieces = group.Load.Pieces / 3
	thirds.Groups = []load.Group{{Load: thirds.Load, Coat: q.Coat}, {Load: thirds.Load, Coat: q.Coat}}
	for _, c := range []struct {
		name string
		q    load.Request
	}{{"one", group}, {"thirds", thirds}, {"three", q}} {
		b.Run(c.name, func(b *testing.B) {
			for b.Loop() {
				if _, err := Simulate(b.Context(), c.q, Options{}); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}

// The verdict of a basket speaks of all kinds in it: the worst decides, each is
// named, and one that is taken out in its time counts as ready.
func TestTheVerdictSpeaksOfAllKinds(t *testing.T) {
	t.Parallel()
	basket := func(minutes float64, turns ...load.Turn) Answer {
		t.Helper()
		a, err := Simulate(t.Context(), load.Request{
			Load: load.Pieces{Cut: "prawn", Pieces: 8, PieceMassG: 20}, Coat: &load.Covering{ID: "three-bowl-crumb", OilG: 4},
			Groups:  []load.Group{{Name: "drumsticks", Load: load.Pieces{Cut: "chicken-drumstick", Pieces: 4, PieceMassG: 110}, Coat: &load.Covering{ID: "oil-rub", OilG: 4}}},
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
	apart := basket(30, load.Turn{AtMin: out, Kind: load.TakeOut, Group: 0})
	if v := apart.Verdict; !v.Ready || !strings.Contains(v.Says, "Each in its time") || v.SafeBy != apart.Lots[1].Verdict.SafeBy {
		t.Errorf("the prawns taken out at %g: %+v; %+v", out, v, apart.Lots[0].Verdict)
	}
	if raw := basket(30, load.Turn{AtMin: 2, Kind: load.TakeOut, Group: 1}); raw.Verdict.Ready {
		t.Errorf("drumsticks taken out after two minutes: %+v", raw.Verdict)
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
