package prep

import (
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/pan"
	"velocrustum/core/refuse/goldentest"
	"velocrustum/core/units"
)

// What a bench makes of many cuts, coats and schools, and what it says, is as it was
// read.
func TestBenchesAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	f.Add(t, "limits", Limits)
	f.Add(t, "usual", Usual)
	benches := []Bench{
		{Servings: 2},
		{Servings: 4, Drying: Drying{School: "rack", Hours: 12}, Salting: &Salting{School: "dry", TargetPct: 1.4, Hours: 10}},
		{Drying: Drying{School: "wipe"}, Salting: &Salting{School: "brine", WaterG: 1200, StrengthPct: 5, Hours: 3}, Finish: []Item{{Ingredient: "sesame", G: 6}}},
		{Drying: Drying{School: "rinse"}, Salting: &Salting{School: "soak", Liquid: "buttermilk", WaterG: 500, Hours: 6}},
		{Marinade: &Marinade{Items: []Item{{Ingredient: "soy-light", G: 40}, {Ingredient: "honey", G: 20}, {Ingredient: "garlic", G: 8}, {Ingredient: "oil", G: 10}, {Ingredient: "paprika", G: 4}}, Hours: 4, CoatShare: 0.3},
			Prices: &Prices{MeatPerKg: 9, PerKWh: 0.3}},
	}
	h := units.Household{}
	for i, b := range benches {
		for _, of := range []struct {
			cut, coat string
			g         float64
			pieces    int
		}{{"chicken-drumstick", "starch-dust", 110, 6}, {"chicken-wing-flat", "leavened-rub", 42, 12}, {"fish-fillet-white", "three-bowl-crumb", 130, 3}, {"pork-loin-cutlet", "double-dredge", 150, 3}, {"potato-wedge", "oil-rub", 30, 18}} {
			name := fmt.Sprint(of.cut, " ", i)
			w, err := shelf.Work(LotOf(cutOf(t, of.cut), of.g, 0, of.pieces), coatOf(t, of.coat), 6, b)
			if err != nil {
				f.Addf(name, "%v", err)
				continue
			}
			f.Add(t, name, w)
			f.Add(t, name+" says", w.Words(shelf, h))
		}
	}
	for _, id := range []string{"chicken-breast-whole", "chicken-thigh-boneless", "chicken-wing-whole", "pork-belly-slice", "beef-strip", "potato-wedge"} {
		f.Add(t, "made of "+id, Makings(id))
	}
	for _, i := range Ingredients() {
		f.Add(t, "swaps "+i.ID, shelf.Swaps(i.ID, 20, h))
	}
	for _, text := range []string{"2 tbsp", "3 cloves", "1 cup", "20 g", "a pinch", "1/2 tsp"} {
		for _, id := range []string{"soy-light", "garlic", "salt-fine", "honey", "corn-starch"} {
			g, took, err := shelf.Grams(id, text, h)
			f.Addf(text+" "+id, "%.4g %s %v", g, took, err)
		}
	}
	f.Same(t, "benches.txt")
}

// What comes of whole dishes, weighed against what could be left out.
func TestForecastsAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	glaze := pan.Serving{Name: "Glaze", Sauce: pan.Sauce{School: pan.Reduce, Items: []Item{{Ingredient: "honey", G: 60}, {Ingredient: "soy-light", G: 30}, {Ingredient: "water", G: 60}}}}
	for name, d := range map[string]BenchDish{
		"drumsticks": {Dish: load.Dish{Request: load.Request{Load: load.Pieces{Cut: "chicken-drumstick", Pieces: 6, PieceMassG: 110}, Coat: &load.Covering{ID: "leavened-rub", OilG: 5},
			Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 190, Minutes: 24}}, Turns: []load.Turn{{AtMin: 12, Kind: load.Flip}}}}},
			Bench: &Bench{Servings: 3, Drying: Drying{School: "rack", Hours: 12}, Salting: &Salting{School: "dry", TargetPct: 1.4, Hours: 12}, Sauces: []pan.Serving{glaze}}},
		"fillets": {Dish: load.Dish{Request: load.Request{Load: load.Pieces{Cut: "fish-fillet-white", Pieces: 3, PieceMassG: 130}, Coat: &load.Covering{ID: "three-bowl-crumb", OilG: 8},
			Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 200, Minutes: 13}}, Turns: []load.Turn{{AtMin: 7, Kind: load.Flip}}}}},
			Bench: &Bench{Servings: 3, Finish: []Item{{Ingredient: "herbs", G: 6}}, Coating: Coating{Oil: "mist", Passes: 2}}},
		"starch": {Dish: load.Dish{Request: load.Request{Load: load.Pieces{Cut: "chicken-thigh-chunk", Pieces: 12, PieceMassG: 26}, Coat: &load.Covering{ID: "bare", OilG: 6},
			Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 195, Minutes: 14}}, Turns: []load.Turn{{AtMin: 7, Kind: load.Shake}}}}},
			Bench: &Bench{Servings: 2, Marinade: &Marinade{Items: []Item{{Ingredient: "corn-starch", G: 20}, {Ingredient: "egg", G: 30}, {Ingredient: "soda", G: 2}, {Ingredient: "soy-light", G: 15}}, Hours: 1}}},
		"wings": {Dish: load.Dish{Request: load.Request{Load: load.Pieces{Cut: "chicken-wing-flat", Pieces: 10, PieceMassG: 42, StartC: new(-18.0)}, Fryer: &load.Fryer{FridgeC: new(7.5)}, Coat: &load.Covering{ID: "starch-dust", OilG: 4},
			Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 195, Minutes: 20}}, Turns: []load.Turn{{AtMin: 10, Kind: load.Flip}}}}},
			Bench: &Bench{Servings: 2, Thaw: true, Marinade: &Marinade{Items: []Item{{Ingredient: "soy-light", G: 30}, {Ingredient: "honey", G: 10}}, Hours: 6, CoatShare: 0.2},
				Mixes: []Mix{{Name: "Rub", Items: []Item{{Ingredient: "spices", G: 30}, {Ingredient: "salt-sea", G: 10}}, GPerKg: 60, JarG: 200}, {Name: "Light", Items: []Item{{Ingredient: "chilli-flakes", G: 10}}}}}},
	} {
		got, err := shelf.Forecast(t.Context(), d, units.Household{})
		if err != nil {
			t.Fatal(name, err)
		}
		one := goldentest.File{}
		one.Add(t, name, got)
		one.Same(t, "forecast-"+name+".txt")
	}
}

// Benches that are spoilt in one place are refused, or worked, as they were read.
func TestSpoiltBenchesAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	glaze := pan.Serving{Name: "Glaze", Sauce: pan.Sauce{School: pan.Reduce, Items: []Item{{Ingredient: "honey", G: 60}, {Ingredient: "soy-light", G: 30}, {Ingredient: "water", G: 60}}}}
	benches := []Bench{
		{Servings: 4, Drying: Drying{School: "rack", Hours: 12}, Salting: &Salting{School: "dry", TargetPct: 1.4, Hours: 10}, Finish: []Item{{Ingredient: "sesame", G: 6}}, Coating: Coating{Oil: "mist", Passes: 2}, Sauces: []pan.Serving{glaze}, Prices: &Prices{MeatPerKg: 9, PerKWh: 0.3}},
		{Drying: Drying{School: "wipe"}, Salting: &Salting{School: "brine", WaterG: 1200, StrengthPct: 5, Hours: 3}, Mixes: []Mix{{Name: "Rub", Items: []Item{{Ingredient: "spices", G: 30}, {Ingredient: "salt-sea", G: 10}}, GPerKg: 60, JarG: 200}}},
		{Thaw: true, Salting: &Salting{School: "soak", Liquid: "buttermilk", WaterG: 500, Hours: 6}, Marinade: &Marinade{Items: []Item{{Ingredient: "lemon-juice", G: 30}, {Ingredient: "honey", G: 20}, {Ingredient: "garlic", G: 8}, {Ingredient: "oil", G: 10}}, Hours: 4, CoatShare: 0.3}},
	}
	r := rand.New(rand.NewPCG(14, 1))
	cuts := []struct {
		cut, coat string
		g         float64
		pieces    int
	}{{"chicken-drumstick", "starch-dust", 110, 6}, {"fish-fillet-white", "three-bowl-crumb", 130, 3}, {"pork-loin-cutlet", "double-dredge", 150, 3}, {"potato-wedge", "oil-rub", 30, 18}, {"chicken-breast-cutlet", "leavened-rub", 120, 4}}
	for i, b := range benches {
		for n := range 120 {
			what, raw := goldentest.Spoil(t, r, b)
			var spoilt Bench
			if err := json.Unmarshal(raw, &spoilt); err != nil {
				continue // of another kind altogether: not for here
			}
			at, of := fmt.Sprint(i, " ", what), cuts[n%len(cuts)]
			h := units.Household{}
			if n%4 == 0 {
				h = units.Household{Temperature: units.Fahrenheit, Mass: units.Ounce}
			}
			if err := spoilt.Check(shelf); err != nil {
				f.Addf(at, "%v", err)
				continue
			}
			w, err := shelf.Work(LotOf(cutOf(t, of.cut), of.g, 0, of.pieces), coatOf(t, of.coat), 6, spoilt)
			if err != nil {
				f.Addf(at+" "+of.cut, "%v", err)
				continue
			}
			for _, station := range w.Words(shelf, h) {
				raw, err := json.Marshal(station)
				f.Addf(at+" "+of.cut, "%s %v", raw, err)
			}
		}
	}
	f.Same(t, "spoilt.txt")
}
