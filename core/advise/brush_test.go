package advise

import (
	"encoding/json"
	"math"
	"strings"
	"testing"

	"velocrustum/core/crust"
	"velocrustum/core/food"
	"velocrustum/core/larder"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/verdict"
)

func TestWhenABrushStands(t *testing.T) {
	t.Parallel()
	a, err := Simulate(t.Context(), load.Dish{Request: loadtest.BrushedWings(15, 25, 180)}, verdict.Options{NoChance: true})
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
		q := loadtest.BrushedWings(15, 25, c)
		f := quick(t, q)
		last := f.Timeline[len(f.Timeline)-1].Faces
		return math.Max(last[0].Brown, last[1].Brown) > float64(crust.BitterLimit)+0.1
	}
	if bitter(b.HottestC - 10) {
		t.Errorf("at %g °C, under the hottest of %g, it is bitter", b.HottestC-10, b.HottestC)
	}
	for field, spoil := range map[string]func(*load.Brush){
		"program.turns[1].brush.g":                   func(b *load.Brush) { b.G = 0 },
		"program.turns[1].brush.parts":               func(b *load.Brush) { b.Parts = nil },
		"program.turns[1].brush.parts[0].ingredient": func(b *load.Brush) { b.Parts[0].Ingredient = "tar" },
	} {
		q := loadtest.BrushedWings(15, 25, 180)
		spoil(q.Program.Turns[1].Brush)
		if err := load.Check(q); err == nil || !strings.Contains(err.Error(), field) {
			t.Errorf("%s: %v", field, err)
		}
	}
}

// What a pantry has can be a layer alone, also where it is no layer: each is
// answered in figures. Water and oil lie on the food as if they had been said
// beside the coat.
func TestEveryIngredientCanBeALayer(t *testing.T) {
	t.Parallel()
	alone := func(id string) []food.CoatLayer {
		return []food.CoatLayer{{Parts: []food.Mixed{{Ingredient: id, Share: 1}}}}
	}
	q := load.Request{Load: load.Pieces{Cut: "chicken-drumette", Pieces: 4, PieceMassG: 48}, Program: load.Program{Stages: []load.Stage{{AirC: 200, Minutes: 16}, {AirC: 180, Minutes: 6, Hold: load.HoldBowl}}}}
	answer := func(c load.Covering) verdict.Answer {
		t.Helper()
		one := q
		one.Coat = &c
		a, err := verdict.Simulate(t.Context(), one, verdict.Options{NoChance: true})
		if err != nil {
			t.Fatalf("%+v: %v", c, err)
		}
		if _, err := json.Marshal(a); err != nil {
			t.Fatalf("%+v: %v", c, err)
		}
		return a
	}
	for _, i := range larder.Ingredients() {
		answer(load.Covering{Layers: alone(i.ID)})
	}
	oil, bare, said := answer(load.Covering{Layers: alone("oil")}), answer(load.Covering{ID: "bare"}), answer(load.Covering{ID: "bare", OilG: 4})
	if d := *oil.SafeAtMin - *bare.SafeAtMin; d >= 0 || math.Abs(*oil.SafeAtMin-*said.SafeAtMin) > 0.5 {
		t.Errorf("in a layer of oil safe at %.2f, bare at %.2f, with oil on it at %.2f", *oil.SafeAtMin, *bare.SafeAtMin, *said.SafeAtMin)
	}
	if wet := answer(load.Covering{Layers: alone("water")}); *wet.SafeAtMin <= *bare.SafeAtMin {
		t.Errorf("in a layer of water safe at %.2f, bare at %.2f", *wet.SafeAtMin, *bare.SafeAtMin)
	}
}

// A brush that turns bitter whenever it still dries has no best minute, and any
// number of pieces can be brushed.
func TestABrushOfAnyKindAndNumber(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	for _, n := range []int{1, 2, 14, 24, 60} {
		q := load.Request{Load: load.Pieces{Cut: "chicken-wing-flat", Pieces: n, PieceMassG: 40}, Program: load.Program{Stages: []load.Stage{{AirC: 200, Minutes: 20}},
			Turns: []load.Turn{{AtMin: 15, Kind: load.BrushOn, Brush: &load.Brush{Parts: []food.Mixed{{Ingredient: "honey", Share: 1}}, G: 15}}}}}
		d := load.Dish{Request: q}
		if n > 20 {
			d.PerBasket = 12
		}
		if _, err := Simulate(t.Context(), d, verdict.Options{}); err != nil {
			t.Errorf("%d pieces with a brush: %v", n, err)
		}
	}
	late := load.Request{Load: load.Pieces{Cut: "chicken-wing-flat", Pieces: 8, PieceMassG: 40}, Program: load.Program{Stages: []load.Stage{{AirC: 230, Minutes: 26}},
		Turns: []load.Turn{{AtMin: 25, Kind: load.BrushOn, Brush: &load.Brush{Parts: []food.Mixed{{Ingredient: "honey", Share: 1}}, G: 2}}}}}
	a, err := Simulate(t.Context(), load.Dish{Request: late}, verdict.Options{})
	if err != nil || len(a.Brushes) != 1 {
		t.Fatal(a.Brushes, err)
	}
	if b := a.Brushes[0]; b.BestMin == nil && b.LatestMin != nil && b.HottestC >= 230 {
		t.Errorf("no best minute, and it stands any heat: %+v", b)
	}
}
