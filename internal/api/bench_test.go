package api_test

import (
	"encoding/json"
	"net/http"
	"reflect"
	"strings"
	"testing"

	"velocrustum/core/baskets"
	"velocrustum/core/prep"
	"velocrustum/core/units"
	"velocrustum/core/verdict"
	"velocrustum/internal/api"
)

// with adds fields to a request.
func with(request, fields string) string { return strings.Replace(request, "{", "{"+fields+", ", 1) }

var benchOf = with(wings, `"bench": {"servings": 3, "drying": {"school": "rack", "hours": 6},
	"salting": {"school": "dry", "salt": "salt-flake", "targetPct": 1, "hours": 4},
	"marinade": {"items": [{"ingredient": "yoghurt", "g": 120}, {"ingredient": "honey", "g": 15}], "hours": 4}, "coating": {"oil": "mist", "passes": 2}}`)

func TestTheBenchIsFedToTheEngine(t *testing.T) {
	k := newKitchen(t, "")
	a := get[api.BenchAnswer](k, 200, "POST", "/api/v1/bench", benchOf)
	if a.Lots[0].Load.SurfaceWaterG == nil || *a.Lots[0].Load.SurfaceWaterG > -0.8 || a.Lots[0].Coat.SaltPct <= 0 || a.Lots[0].Coat.SugarPct <= 0 || a.Lots[0].Coat.OilG <= 0 {
		t.Errorf("the engine is told %+v and %+v", a.Lots[0].Load, a.Lots[0].Coat)
	}
	if a.SaltPct < 0.95 || a.SaltPct > 1.05 || a.Lots[0].Profile == nil || len(*a.Lots[0].Profile) < 5 || a.Plate.Kcal <= 0 || a.DeepFried.FatG <= a.Plate.FatG {
		t.Errorf("salt %.2f %%, plate %+v, deep-fried %+v", a.SaltPct, a.Plate, a.DeepFried)
	}
	for _, s := range a.Lots[0].Stations {
		if s.Does == "" {
			t.Errorf("%s does nothing", s.Id)
		}
		if s.Id == "dry" && !strings.Contains(s.Does, "sooner") {
			t.Errorf("six hours on the rack: %s", s.Does)
		}
		if s.Id == "marinade" && s.Without.Coat.SugarPct != 0 {
			t.Error("without the marinade its sugar stays")
		}
	}
	// Sugar said by hand stays under that of the marinade.
	sweet := get[api.BenchAnswer](k, 200, "POST", "/api/v1/bench", strings.Replace(benchOf, `"oilG": 4`, `"oilG": 4, "sugarPct": 1.5`, 1))
	if d := sweet.Lots[0].Coat.SugarPct - a.Lots[0].Coat.SugarPct; d < 1.499 || d > 1.501 {
		t.Errorf("1.5 %% of sugar by hand are %.2f", d)
	}
	// What was planned in oil stays until a way of oiling is chosen.
	plain := strings.Replace(benchOf, `"oil": "mist", "passes": 2`, "", 1)
	if b := get[api.BenchAnswer](k, 200, "POST", "/api/v1/bench", plain); b.Lots[0].Coat.OilG != 4 {
		t.Errorf("the plan's 4 g of oil are %g", b.Lots[0].Coat.OilG)
	}
	p := get[api.Problem](k, 422, "POST", "/api/v1/bench", strings.Replace(benchOf, `"hours": 6`, `"hours": 600`, 1))
	if p.Errors == nil || (*p.Errors)[0].Field != "bench.drying.hours" {
		t.Errorf("%+v", p.Errors)
	}
}

func TestUnevenPiecesCostTheWindow(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	body := with(strings.Replace(wings, `"airC": 190, "minutes": 20`, `"airC": 190, "minutes": 26`, 1), `"bench": {"cutting": {"wholeG": 900, "spreadPct": 18}, "drying": {}, "coating": {}}`)
	a := get[api.BenchAnswer](k, 200, "POST", "/api/v1/bench", body)
	if s := a.Lots[0].Stations[0]; s.Id != "cut" || !strings.Contains(s.Why, "900 g make 21 of them") || !strings.Contains(s.Does, "cut evenly") || *a.Lots[0].Load.SpreadPct != 18 {
		t.Errorf("%+v", s)
	}
}

func TestABenchIsKeptWithItsPlan(t *testing.T) {
	k := newKitchen(t, "")
	p := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")[0]
	in := api.PlanInput{Name: p.Name, FryerId: p.FryerId, Bench: &p.Bench, Program: p.Program}
	bench := `{"drying": {"school": "rack", "hours": 3}, "coating": {"oil": "brush"}, "salting": {"school": "dry", "hours": 5, "targetPct": 0.8}}`
	in.Lots = &[]prep.DishLot{{LotRequest: p.Lots[0].LotRequest}}
	body, err := json.Marshal(in)
	if err != nil {
		t.Fatal(err)
	}
	with := strings.Replace(string(body), `"lots":[{`, `"lots":[{"bench": `+bench+`,`, 1)
	got := get[api.Plan](k, 200, "PUT", "/api/v1/plans/"+p.Id, with)
	if b := got.Lots[0].Bench; b == nil || b.Drying.Hours != 3 || b.Salting == nil || b.Salting.TargetPct != 0.8 || b.Coating.Oil != "brush" {
		t.Errorf("%+v", b)
	}
	// What is done to a lot is not said of all of them: it is refused, not lost.
	aside := strings.Replace(string(body), `"bench":{`, `"bench":{"salting": {"school": "dry", "hours": 5},`, 1)
	if p := get[api.Problem](k, 422, "PUT", "/api/v1/plans/"+p.Id, aside); (*p.Errors)[0].Field != "bench.salting" {
		t.Errorf("%+v", p.Errors)
	}
}

func TestThePantryIsTheHouseholds(t *testing.T) {
	k := newKitchen(t, "")
	type pantry struct {
		Ingredients []map[string]any `json:"ingredients"`
		Own         map[string]int   `json:"own"`
	}
	soy := func(p pantry) map[string]any {
		for _, i := range p.Ingredients {
			if i["id"] == "soy-light" {
				return i
			}
		}
		t.Fatal("no soy sauce")
		return nil
	}
	first := get[pantry](k, 200, "GET", "/api/v1/pantry", "")
	mine := soy(first)
	mine["salt"], mine["source"] = 11.5, "the bottle"
	body, err := json.Marshal(mine)
	if err != nil {
		t.Fatal(err)
	}
	get[any](k, 200, "PUT", "/api/v1/pantry/soy-light", string(body))
	now := get[pantry](k, 200, "GET", "/api/v1/pantry", "")
	if soy(now)["salt"] != 11.5 || len(now.Own) != 1 || len(now.Ingredients) != len(first.Ingredients) {
		t.Errorf("%v, own %v", soy(now), now.Own)
	}
	// The bench counts with it.
	finish := strings.Replace(benchOf, `"servings": 3`, `"servings": 3, "finish": [{"ingredient": "soy-light", "g": 20}]`, 1)
	if a := get[api.BenchAnswer](k, 200, "POST", "/api/v1/bench", finish); a.SaltFrom["finish"] != 2.3 {
		t.Errorf("20 g of it hold %.2f g of salt", a.SaltFrom["finish"])
	}
	get[any](k, 204, "DELETE", "/api/v1/pantry/soy-light", "")
	if back := get[pantry](k, 200, "GET", "/api/v1/pantry", ""); soy(back)["salt"] != 15.0 || len(back.Own) != 0 {
		t.Errorf("as it ships: %v", soy(back))
	}
	mine["salt"] = 240
	body, _ = json.Marshal(mine)
	if p := get[api.Problem](k, http.StatusUnprocessableEntity, "PUT", "/api/v1/pantry/soy-light", string(body)); (*p.Errors)[0].Field != "salt" {
		t.Errorf("%+v", p.Errors)
	}
}

func TestAmountsAreReadForAnIngredient(t *testing.T) {
	k := newKitchen(t, "")
	a := get[struct {
		G    float64
		Says string
	}](k, 200, "POST", "/api/v1/amounts", `{"ingredient": "oil", "text": "1 1/2 tbsp"}`)
	if a.G != 20.7 || a.Says != "1 ½ tbsp" {
		t.Errorf("%+v", a)
	}
	for _, body := range []string{`{"ingredient": "oil", "text": "a whiff"}`, `{"ingredient": "oil", "text": "2"}`, `{"ingredient": "gold", "text": "2 g"}`} {
		if p := get[api.Problem](k, 422, "POST", "/api/v1/amounts", body); p.Errors == nil || (*p.Errors)[0].Allowed == "" {
			t.Errorf("%s: %+v", body, p)
		}
	}
}

func TestCutsAreMadeAndPricedOnTheBench(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	prawns := strings.NewReplacer("chicken-wing-flat", "prawn", `"pieceMassG": 42`, `"pieceMassG": 18`, "starch-dust", "bare").Replace(wings)
	plain := get[api.BenchAnswer](k, 200, "POST", "/api/v1/bench", prawns)
	if len(plain.Lots[0].Makings) != 2 || plain.Cost != nil {
		t.Errorf("prawns can be made into %+v and cost %v", plain.Lots[0].Makings, plain.Cost)
	}
	body := with(prawns, `"bench": {"servings": 2, "cutting": {"as": "prawn-butterflied"}, "drying": {}, "coating": {}, "prices": {"meatPerKg": 20, "perKWh": 0.5}}`)
	a := get[api.BenchAnswer](k, 200, "POST", "/api/v1/bench", body)
	if a.Lots[0].Load.Cut != "prawn-butterflied" || a.Lots[0].Load.Pieces != 12 || a.Lots[0].Stations[0].Id != "cut" {
		t.Errorf("butterflied: %+v", a.Lots[0].Load)
	}
	// 216 g of prawns at 20 a kilogram, and the energy.
	if want := 0.216*20 + a.EnergyWh/1000*0.5; a.Cost == nil || *a.Cost < want-0.01 || *a.Cost > want+0.01 {
		t.Errorf("cost %v, want %.2f", a.Cost, want)
	}
	if a.OvenWh <= a.EnergyWh {
		t.Errorf("%.0f Wh here, %.0f in an oven", a.EnergyWh, a.OvenWh)
	}
	p := get[api.Problem](k, 422, "POST", "/api/v1/bench", strings.Replace(body, "prawn-butterflied", "duck-leg", 1))
	if (*p.Errors)[0].Field != "bench.cutting.as" {
		t.Errorf("%+v", p.Errors)
	}
}

func TestMarinadesAreKeptChangedAndForgotten(t *testing.T) {
	k := newKitchen(t, "")
	before := get[[]api.MarinadeRecipe](k, 200, "GET", "/api/v1/marinades", "")
	made := get[api.MarinadeRecipe](k, 200, "PUT", "/api/v1/marinades/own-1", `{"id": "own-1", "name": "Aunt's", "marinade": {"hours": 2, "forG": 500, "items": [{"ingredient": "yoghurt", "g": 150}]}}`)
	if made.ID == "" || len(before) == 0 {
		t.Fatalf("%+v after %d", made, len(before))
	}
	changed := get[api.MarinadeRecipe](k, 200, "PUT", "/api/v1/marinades/"+made.ID, `{"id": "`+made.ID+`", "name": "Aunt's own", "marinade": {"hours": 4, "items": [{"ingredient": "yoghurt", "g": 90}]}}`)
	if changed.Name != "Aunt's own" || changed.Marinade.Hours != 4 {
		t.Errorf("%+v", changed)
	}
	if all := get[[]api.MarinadeRecipe](k, 200, "GET", "/api/v1/marinades", ""); len(all) != len(before)+1 || all[0].Name != "Aunt's own" {
		t.Errorf("%+v", all)
	}
	for body, field := range map[string]string{
		`{"id": "own-2", "name": "X", "marinade": {"hours": 2, "items": []}}`:                                    "marinade.items",
		`{"id": "own-2", "name": "X", "marinade": {"hours": 2, "items": [{"ingredient": "moonshine", "g": 5}]}}`: "marinade.items[0].ingredient",
		`{"id": "own-2", "name": "X", "marinade": {"hours": 200, "items": [{"ingredient": "oil", "g": 5}]}}`:     "marinade.hours",
		`{"id": "own-2", "name": "", "marinade": {"hours": 2, "items": [{"ingredient": "oil", "g": 5}]}}`:        "name",
	} {
		if p := get[api.Problem](k, 422, "PUT", "/api/v1/marinades/own-2", body); (*p.Errors)[0].Field != field {
			t.Errorf("%s: %+v", body, p.Errors)
		}
	}
	get[struct{}](k, 204, "DELETE", "/api/v1/marinades/"+made.ID, "")
	get[api.Problem](k, 404, "DELETE", "/api/v1/marinades/"+made.ID, "")
}

func TestTheBenchTakesAWholeWeight(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	floured := strings.Replace(wings, "starch-dust", "flour-dust", 1)
	body := with(floured, `"bench": {"cutting": {"wholeG": 600, "pieces": 15}, "drying": {}, "coating": {"leavening": true},
		"marinade": {"hours": 1, "items": [{"ingredient": "soy-light", "g": 35.1}]}}`)
	a := get[api.BenchAnswer](k, 200, "POST", "/api/v1/bench", body)
	if a.Lots[0].Load.Pieces != 15 || a.Lots[0].Load.PieceMassG != 40 || len(a.Lots[0].Bowls) != 1 {
		t.Errorf("load %+v, coat %+v, bowls %+v", a.Lots[0].Load, a.Lots[0].Coat, a.Lots[0].Bowls)
	}
	if a.Lots[0].Measures["soy-light"] != "2 tbsp" || len(a.Lots[0].Swaps["soy-light"]) == 0 || a.PanWh <= 0 {
		t.Errorf("measures %v, swaps %v", a.Lots[0].Measures, a.Lots[0].Swaps)
	}
	for from, bad := range map[string][2]string{
		`"pieces": 15`: {`"pieces": 5000`, "bench.cutting.pieces"}, "flour-dust": {"concrete", "coat.id"}, `"leavening": true`: {`"coat": "paste"`, "bench.coating.coat"},
	} {
		if p := get[api.Problem](k, 422, "POST", "/api/v1/bench", strings.Replace(body, from, bad[0], 1)); (*p.Errors)[0].Field != bad[1] {
			t.Errorf("%s: %+v", bad[0], p.Errors)
		}
	}
}

// What a simulation, ways, baskets and the bench are asked of is the same
// dish; its bench is worked out each time and never written into the plan.
func TestTheBenchIsDerivedEverywhere(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	worked := get[api.BenchAnswer](k, 200, "POST", "/api/v1/bench", benchOf)
	byHand, err := json.Marshal(map[string]any{"load": worked.Lots[0].Load, "coat": worked.Lots[0].Coat})
	if err != nil {
		t.Fatal(err)
	}
	var q map[string]any
	if err := json.Unmarshal([]byte(wings), &q); err != nil {
		t.Fatal(err)
	}
	if err := json.Unmarshal(byHand, &q); err != nil {
		t.Fatal(err)
	}
	told, err := json.Marshal(q)
	if err != nil {
		t.Fatal(err)
	}
	ask := func(body string) verdict.Answer {
		return get[verdict.Answer](k, 200, "POST", "/api/v1/simulations?chance=false", body)
	}
	if got, want := ask(benchOf), ask(string(told)); !reflect.DeepEqual(got.End, want.End) || *got.SafeAtMin != *want.SafeAtMin {
		t.Errorf("with the bench %+v, told what it does %+v", got.End, want.End)
	}
	b := get[baskets.Batchings](k, 200, "POST", "/api/v1/baskets", with(benchOf, `"perBasket": 6`))
	if got, want := b.Batchings[1].Baskets[0].Answer.End, ask(with(benchOf, `"perBasket": 6`)).End; !reflect.DeepEqual(got, want) {
		t.Errorf("the first of two baskets ends as %+v, simulated as %+v", got, want)
	}
	var kept api.Plan
	planned(k, func(in *api.PlanInput) {
		in.Bench = &api.Bench{}
		(*in.Lots)[0].Bench = &api.Bench{Drying: prep.Drying{School: "rack", Hours: 3}, Salting: &prep.Salting{School: "dry", Hours: 5, TargetPct: 0.8}}
	})
	kept = get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")[0]
	if kept.Lots[0].Load.SurfaceWaterG != nil || kept.Lots[0].Coat.SaltPct != 0 {
		t.Errorf("the bench was written into %+v, %+v", kept.Lots[0].Load, kept.Lots[0].Coat)
	}
	// A cook's copy is what went into the basket.
	c := get[api.Cook](k, 201, "POST", "/api/v1/cooks", `{"planId": "`+kept.Id+`"}`)
	if w := c.Plan.Lots[0].Load.SurfaceWaterG; w == nil || *w > -0.2 || c.Plan.Lots[0].Coat.SaltPct < 0.79 {
		t.Errorf("it went in as %+v, %+v", c.Plan.Lots[0].Load, c.Plan.Lots[0].Coat)
	}
}

func TestSpoonsAreTheHouseholds(t *testing.T) {
	k := newKitchen(t, "")
	read := func() float64 {
		return get[struct {
			G float64 `json:"g"`
		}](k, 200, "POST", "/api/v1/amounts", `{"ingredient": "water", "text": "1 tbsp"}`).G
	}
	for spoons, want := range map[string]float64{"metric": 15, "us": 14.79, "au": 20} {
		s := get[api.Settings](k, 200, "GET", "/api/v1/settings", "")
		s.Spoons = units.Spoons(spoons)
		body, err := json.Marshal(s)
		if err != nil {
			t.Fatal(err)
		}
		get[api.Settings](k, 200, "PATCH", "/api/v1/settings", string(body))
		if g := read(); g != want {
			t.Errorf("a tablespoon of water, %s: %g g, want %g", spoons, g, want)
		}
	}
}
