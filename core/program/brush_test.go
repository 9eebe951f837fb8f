package program

import (
	"math"
	"strings"
	"testing"

	"velocrustum/core/crust"
	"velocrustum/core/food"
)

// brushed is wings with a sweet glaze brushed on at a minute.
func brushedWings(at, g, lastC float64) Request {
	q := Request{Load: Load{Cut: "chicken-wing-flat", Pieces: 11, PieceMassG: 43, Surface: "racked"}, Coat: &Coat{ID: "starch-dust", OilG: 5},
		Program: Program{PreheatMin: 4, Stages: []Stage{{AirC: 190, Minutes: 14}, {AirC: lastC, Minutes: 7}}, Turns: []Turn{{AtMin: 10, Kind: Flip}}}}
	if g > 0 {
		q.Program.Turns = append(q.Program.Turns, Turn{AtMin: at, Kind: BrushOn, Brush: &Brush{Parts: []food.Mixed{{Ingredient: "honey", Share: 1}, {Ingredient: "mustard", Share: 1}}, G: g}})
	}
	return q
}

func TestAGlazeCountsFromItsMinute(t *testing.T) {
	t.Parallel()
	plain := quick(t, brushedWings(0, 0, 180))
	glazed := quick(t, brushedWings(15, 25, 180))
	for m := 0.0; m <= 14.5; m += 0.5 {
		a, b := at(plain.Timeline, m), at(glazed.Timeline, m)
		if math.Abs(a.CoreC-b.CoreC) > 0.05 || math.Abs(a.Faces[0].Brown-b.Faces[0].Brown) > 0.005 {
			t.Fatalf("at minute %g, before the brush: %+v and %+v", m, a, b)
		}
	}
	// At minute 15 the second face is up: it is wet, and then browns sooner.
	if wet, dry := at(glazed.Timeline, 15.5).Faces[1].Crust, at(plain.Timeline, 15.5).Faces[1].Crust; wet > dry-10 {
		t.Errorf("just brushed its crust is %.0f, unbrushed %.0f", wet, dry)
	}
	if sweet, not := at(glazed.Timeline, 21).Faces[1].Brown, at(plain.Timeline, 21).Faces[1].Brown; sweet < not+0.1 {
		t.Errorf("with a glaze it browns to %.2f, without to %.2f", sweet, not)
	}
	if under, not := at(glazed.Timeline, 21).Faces[0].Brown, at(plain.Timeline, 21).Faces[0].Brown; math.Abs(under-not) > 0.1 {
		t.Errorf("the face that was down browns to %.2f, unbrushed to %.2f", under, not)
	}
	if now := at(glazed.Timeline, 21); now.MassLossPct < 0 || now.CoreC > at(plain.Timeline, 21).CoreC+0.1 {
		t.Errorf("a brush heats the food: %+v", now)
	}
	// Earlier, or hotter, is browner.
	browns := func(at, g, c float64) float64 {
		a := quick(t, brushedWings(at, g, c))
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

func TestWhenABrushStands(t *testing.T) {
	t.Parallel()
	a, err := Simulate(t.Context(), brushedWings(15, 25, 180), Options{NoChance: true, Changes: true})
	if err != nil {
		t.Fatal(err)
	}
	if len(a.Brushes) != 1 {
		t.Fatalf("%d brushes are answered", len(a.Brushes))
	}
	b := a.Brushes[0]
	if b.Turn != 1 || b.LatestMin == nil || b.BestMin == nil || *b.BestMin > *b.LatestMin || *b.LatestMin >= 21 {
		t.Fatalf("%+v", b)
	}
	// What it answers is so: at the hottest it is not bitter, a step hotter it is.
	bitter := func(c float64) bool {
		q := brushedWings(15, 25, c)
		f := quick(t, q)
		last := f.Timeline[len(f.Timeline)-1].Faces
		return math.Max(last[0].Brown, last[1].Brown) > float64(crust.BitterLimit)+0.1
	}
	if bitter(b.HottestC - 10) {
		t.Errorf("at %g °C, under the hottest of %g, it is bitter", b.HottestC-10, b.HottestC)
	}
	for field, spoil := range map[string]func(*Brush){
		"program.turns[1].brush.g":                   func(b *Brush) { b.G = 0 },
		"program.turns[1].brush.parts":               func(b *Brush) { b.Parts = nil },
		"program.turns[1].brush.parts[0].ingredient": func(b *Brush) { b.Parts[0].Ingredient = "tar" },
	} {
		q := brushedWings(15, 25, 180)
		spoil(q.Program.Turns[1].Brush)
		if err := Check(q); err == nil || !strings.Contains(err.Error(), field) {
			t.Errorf("%s: %v", field, err)
		}
	}
}
