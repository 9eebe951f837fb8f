package program

import (
	"encoding/json"
	"math"
	"testing"

	"velocrustum/core/food"
	"velocrustum/core/larder"
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
		request   Request
		low, high float64
	}{
		{"bare wings", waited("chicken-wing-flat", 11, 43, "bare", 18, 1, HoldRack), 3.5, 9},
		{"dusted wings", waited("chicken-wing-flat", 11, 43, "starch-dust", 18, 1, HoldRack), 8, 12},
		{"dredged chunks", waited("chicken-thigh-chunk", 14, 20, "double-dredge", 12, 1, HoldRack), 12.5, 18},
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
			t.Errorf("%s: half of it is gone after %v min, want %g to %g", c.name, now.HalfMin, c.low, c.high)
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
		if way, says := Advice(all); by[way].Way == "" || says == "" {
			t.Errorf("%s: %q %q", c.name, way, says)
		}
	}
}

// A thinner sauce, or a sweeter one, takes less of the crust; what the film
// loses is in the food or in the air.
func TestLessWaterLessHarm(t *testing.T) {
	t.Parallel()
	q := waited("chicken-wing-flat", 11, 43, "starch-dust", 18, 1, HoldRack)
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
	s, err := resolve(q)
	if err != nil {
		t.Fatal(err)
	}
	p := s.program
	p.Stages = append(p.Stages, Stage{AirC: 200, Minutes: 20, Hold: HoldRack})
	r, err := newRun(s.with(p), nominal, standard)
	if err != nil {
		t.Fatal(err)
	}
	r.advance(18, nil)
	r.dress(glossy.film(), true, true)
	before := r.classes[0].body.Ledger().Poured
	r.advance(38, nil)
	c := &r.classes[0]
	taken := 2 * (c.body.Ledger().Poured - before)
	left := c.lies[0].water + c.lies[1].water
	if gone := 2*glossy.film().water - left - taken; gone < 0 || taken <= 0 {
		t.Errorf("of %.3f kg/m² %.3f went in, %.3f are left, %.3f dried", 2*glossy.film().water, taken, left, gone)
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
	q := Request{Load: Load{Cut: "chicken-drumette", Pieces: 4, PieceMassG: 48}, Program: Program{Stages: []Stage{{AirC: 200, Minutes: 16}, {AirC: 180, Minutes: 6, Hold: HoldBowl}}}}
	answer := func(c Coat) Answer {
		t.Helper()
		one := q
		one.Coat = &c
		a, err := Simulate(t.Context(), one, Options{NoChance: true})
		if err != nil {
			t.Fatalf("%+v: %v", c, err)
		}
		if _, err := json.Marshal(a); err != nil {
			t.Fatalf("%+v: %v", c, err)
		}
		return a
	}
	for _, i := range larder.Ingredients() {
		answer(Coat{Layers: alone(i.ID)})
	}
	oil, bare, said := answer(Coat{Layers: alone("oil")}), answer(Coat{ID: "bare"}), answer(Coat{ID: "bare", OilG: 4})
	if d := *oil.SafeAtMin - *bare.SafeAtMin; d >= 0 || math.Abs(*oil.SafeAtMin-*said.SafeAtMin) > 0.5 {
		t.Errorf("in a layer of oil safe at %.2f, bare at %.2f, with oil on it at %.2f", *oil.SafeAtMin, *bare.SafeAtMin, *said.SafeAtMin)
	}
	if wet := answer(Coat{Layers: alone("water")}); *wet.SafeAtMin <= *bare.SafeAtMin {
		t.Errorf("in a layer of water safe at %.2f, bare at %.2f", *wet.SafeAtMin, *bare.SafeAtMin)
	}
}

// A wet layer that has dried, in the steam of a bowl: steam that stands has no
// more than the room's pressure.
func TestADryCoatInSteam(t *testing.T) {
	t.Parallel()
	layer := func(parts ...food.Mixed) food.CoatLayer { return food.CoatLayer{Parts: parts} }
	q := Request{Load: Load{Cut: "chicken-drumette", Pieces: 2, PieceMassG: 48, SurfaceWaterG: ptr(0.3)},
		Coat: &Coat{RestMin: ptr(10.0), Layers: []food.CoatLayer{layer(food.Mixed{Ingredient: "ketchup", Share: 1}, food.Mixed{Ingredient: "soda", Share: 3}),
			layer(food.Mixed{Ingredient: "lemon-zest", Share: 1}, food.Mixed{Ingredient: "egg", Share: 1}), layer(food.Mixed{Ingredient: "sweet-pepper", Share: 1})}},
		Program: Program{PreheatMin: 4, Stages: []Stage{{AirC: 200, Minutes: 22}, {AirC: 180, Minutes: 10, Hold: HoldBowl}}, Turns: []Turn{{AtMin: 17, Kind: Flip}, {AtMin: 19, Kind: Flip}}}}
	a, err := Simulate(t.Context(), q, Options{})
	if err != nil {
		t.Fatal(err)
	}
	if _, err := json.Marshal(a); err != nil {
		t.Error(err)
	}
}

// A brush that turns bitter whenever it still dries has no best minute, and any
// number of pieces can be brushed.
func TestABrushOfAnyKindAndNumber(t *testing.T) {
	t.Parallel()
	for _, n := range []int{1, 2, 14, 24, 60} {
		q := Request{Load: Load{Cut: "chicken-wing-flat", Pieces: n, PieceMassG: 40}, Program: Program{Stages: []Stage{{AirC: 200, Minutes: 20}},
			Turns: []Turn{{AtMin: 15, Kind: BrushOn, Brush: &Brush{Parts: []food.Mixed{{Ingredient: "honey", Share: 1}}, G: 15}}}}}
		d := Dish{Request: q}
		if n > 20 {
			d.PerBasket = 12
		}
		if _, err := d.Simulate(t.Context(), Options{Changes: true}); err != nil {
			t.Errorf("%d pieces with a brush: %v", n, err)
		}
	}
	late := Request{Load: Load{Cut: "chicken-wing-flat", Pieces: 8, PieceMassG: 40}, Program: Program{Stages: []Stage{{AirC: 230, Minutes: 26}},
		Turns: []Turn{{AtMin: 25, Kind: BrushOn, Brush: &Brush{Parts: []food.Mixed{{Ingredient: "honey", Share: 1}}, G: 2}}}}}
	a, err := Simulate(t.Context(), late, Options{Changes: true})
	if err != nil || len(a.Brushes) != 1 {
		t.Fatal(a.Brushes, err)
	}
	if b := a.Brushes[0]; b.BestMin == nil && b.LatestMin != nil && b.HottestC >= 230 {
		t.Errorf("no best minute, and it stands any heat: %+v", b)
	}
}
