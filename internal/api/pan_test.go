package api_test

import (
	"math"
	"slices"
	"strings"
	"testing"

	"velocrustum/internal/api"
)

const slurry = `{"name": "Soy and honey", "sauce": {"school": "thicken", "items": [{"ingredient": "soy-light", "g": 60}, {"ingredient": "honey", "g": 85}, {"ingredient": "water", "g": 60}]}}`

func sauced(sauces string) string {
	return with(wings, `"bench": {"servings": 2, "drying": {}, "coating": {}, "sauces": [`+sauces+`], "mixes": [{"name": "salt and paprika", "items": [{"ingredient": "salt-fine", "g": 1}, {"ingredient": "paprika", "g": 1}], "jarG": 60}]}`)
}

func TestASauceIsWorkedOutFromThePlate(t *testing.T) {
	k := newKitchen(t, "")
	a := get[api.PanAnswer](k, 200, "POST", "/api/v1/pan", sauced(slurry))
	if len(a.Sauces) != 1 || len(a.Mixes) != 1 || a.Sauces[0].OutMin == 0 || a.Sauces[0].Lot != nil || a.Servings != 2 {
		t.Fatalf("%+v", a)
	}
	s := a.Sauces[0]
	if s.Made.OnFoodG < 20 || s.Made.StarchG <= 0 || s.Told.Makes == "" || len(s.Told.Steps) < 4 || len(s.Fates) != 5 || s.Advice == "" || s.Measures["honey"] == "" || len(s.Swaps["soy-light"]) == 0 {
		t.Errorf("%+v", s)
	}
	for _, allergen := range []string{"soy", "wheat"} {
		if !slices.Contains(s.Made.Allergens, allergen) {
			t.Errorf("%s is not named: %v", allergen, s.Made.Allergens)
		}
	}
	if n := a.Mixes[0].Evenings; n == nil || *n < 5 {
		t.Errorf("the jar lasts for %v", n)
	}
	// What is eaten of it, and of the mix, is in the bench's sums, the plate
	// beside deep-fried, and the allergens.
	plain := get[api.BenchAnswer](k, 200, "POST", "/api/v1/bench", with(wings, `"bench": {"servings": 2, "drying": {}, "coating": {}}`))
	b := get[api.BenchAnswer](k, 200, "POST", "/api/v1/bench", sauced(slurry))
	if math.Abs(b.SaltFrom["sauce"]-s.Made.Eaten.SaltG) > 1e-9 || math.Abs(b.SaltFrom["finish"]-a.Mixes[0].SaltG) > 1e-9 {
		t.Errorf("salt from %v, of the sauce %.2f, of the mix %.2f", b.SaltFrom, s.Made.Eaten.SaltG, a.Mixes[0].SaltG)
	}
	more := s.Made.Eaten.MassG + a.Mixes[0].G
	for name, d := range map[string]float64{"here": b.Plate.MassG - plain.Plate.MassG, "deep-fried": b.DeepFried.MassG - plain.DeepFried.MassG} {
		if math.Abs(2*d-more) > 0.01 {
			t.Errorf("%s the plate holds %.2f g more, and %.2f are eaten of sauce and mix", name, 2*d, more)
		}
	}
	if !slices.Contains(b.Allergens, "soy") || !strings.Contains(b.Lots[0].Stations[len(b.Lots[0].Stations)-1].Headline, "Soy and honey") {
		t.Errorf("%v, %+v", b.Allergens, b.Lots[0].Stations[len(b.Lots[0].Stations)-1])
	}
	// Twice the pieces, twice on them.
	two := get[api.PanAnswer](k, 200, "POST", "/api/v1/pan", strings.Replace(sauced(slurry), `"pieces": 12`, `"pieces": 24`, 1))
	if r := two.Sauces[0].Made.OnFoodG / s.Made.OnFoodG; math.Abs(r-2) > 0.01 {
		t.Errorf("twice the pieces take %.3f times the sauce", r)
	}
	for spoilt, field := range map[string]string{
		strings.Replace(sauced(slurry), "thicken", "pour", 1):                                    "bench.sauces[0].sauce.school",
		strings.Replace(sauced(slurry), `"g": 85`, `"g": -85`, 1):                                "bench.sauces[0].sauce.items[1].g",
		sauced(slurry + "," + slurry):                                                            "bench.sauces",
		strings.Replace(sauced(slurry), `{"ingredient": "paprika"`, `{"ingredient": "oil"`, 1):   "",
		strings.Replace(sauced(slurry), `{"ingredient": "paprika"`, `{"ingredient": "water"`, 1): "bench.mixes[0].items[1].ingredient",
		strings.Replace(sauced(slurry), `"jarG": 60`, `"jarG": -1`, 1):                           "bench.mixes[0].jarG",
	} {
		if field == "" {
			get[api.PanAnswer](k, 200, "POST", "/api/v1/pan", spoilt)
			continue
		}
		if p := get[api.Problem](k, 422, "POST", "/api/v1/pan", spoilt); (*p.Errors)[0].Field != field {
			t.Errorf("%s: %+v", field, *p.Errors)
		}
	}
}

func TestSaucesAndMixesAreKeptChangedAndForgotten(t *testing.T) {
	k := newKitchen(t, "")
	before := get[[]api.OwnSauce](k, 200, "GET", "/api/v1/sauces", "")
	one := get[api.OwnSauce](k, 200, "PUT", "/api/v1/sauces/own-1", `{"id": "own-1", "name": "Aunt's", "sauce": {"school": "mix", "items": [{"ingredient": "yoghurt", "g": 90}]}}`)
	if one.Version != 1 || len(before) < 12 {
		t.Fatalf("%+v after %d", one, len(before))
	}
	changed := get[api.OwnSauce](k, 200, "PUT", "/api/v1/sauces/own-1", `{"id": "own-1", "name": "Aunt's own", "sauce": {"school": "melt", "items": [{"ingredient": "butter", "g": 50}]}}`)
	if changed.Version != 2 || changed.Sauce.School != "melt" {
		t.Errorf("%+v", changed)
	}
	for body, field := range map[string]string{
		`{"id": "own-2", "name": "X", "sauce": {"school": "mix", "items": []}}`:                                    "sauce.items",
		`{"id": "own-2", "name": "X", "sauce": {"school": "mix", "items": [{"ingredient": "moonshine", "g": 5}]}}`: "sauce.items[0].ingredient",
		`{"id": "own-2", "name": "", "sauce": {"school": "mix", "items": [{"ingredient": "oil", "g": 5}]}}`:        "name",
	} {
		if p := get[api.Problem](k, 422, "PUT", "/api/v1/sauces/own-2", body); (*p.Errors)[0].Field != field {
			t.Errorf("%s: %+v", body, p.Errors)
		}
	}
	get[struct{}](k, 204, "DELETE", "/api/v1/sauces/own-1", "")
	get[api.Problem](k, 404, "DELETE", "/api/v1/sauces/own-1", "")

	mix := get[api.OwnMix](k, 200, "PUT", "/api/v1/mixes/jar-1", `{"id": "jar-1", "mix": {"name": "Dust", "items": [{"ingredient": "paprika", "g": 10}], "jarG": 50}}`)
	if mix.Version != 1 || mix.Mix.JarG != 50 {
		t.Errorf("%+v", mix)
	}
	if p := get[api.Problem](k, 422, "PUT", "/api/v1/mixes/jar-2", `{"id": "jar-2", "mix": {"name": "Wet", "items": [{"ingredient": "honey", "g": 0}]}}`); (*p.Errors)[0].Field != "items.g" {
		t.Errorf("%+v", p.Errors)
	}
	if all := get[[]api.OwnMix](k, 200, "GET", "/api/v1/mixes", ""); len(all) < 2 {
		t.Errorf("%+v", all)
	}
	get[struct{}](k, 204, "DELETE", "/api/v1/mixes/jar-1", "")
}
