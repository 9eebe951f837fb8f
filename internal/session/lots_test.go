package session_test

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"
	"time"

	"velocrustum/core/sheet"
	"velocrustum/internal/api"
)

// threeKinds is a dish of three lots: thighs with a sauce of their own,
// drumsticks that come out sooner, prawns that go in later.
const threeKinds = `"lots": [
 {"load": {"cut": "chicken-thigh-bone-in", "pieces": 2, "pieceMassG": 150}, "coat": {"id": "bare"},
  "bench": {"drying": {}, "coating": {}, "salting": {"school": "dry", "hours": 6, "targetPct": 1}, "sauces": [{"name": "Soy and honey", "sauce": {"school": "thicken", "items": [{"ingredient": "soy-light", "g": 60}, {"ingredient": "honey", "g": 85}, {"ingredient": "water", "g": 60}]}}]}},
 {"name": "hot ones", "load": {"cut": "chicken-drumstick", "pieces": 3, "pieceMassG": 105}, "coat": {"id": "starch-dust", "oilG": 4}, "outMin": 38,
  "bench": {"drying": {}, "coating": {}, "marinade": {"items": [{"ingredient": "yoghurt", "g": 60}, {"ingredient": "harissa", "g": 20}], "hours": 2}}},
 {"load": {"cut": "prawn", "pieces": 6, "pieceMassG": 18}, "coat": {"id": "three-bowl-crumb", "oilG": 3}, "inMin": 32}],
 "bench": {"servings": 3, "drying": {}, "coating": {}, "mixes": [{"name": "red salt", "items": [{"ingredient": "salt-fine", "g": 0.1}, {"ingredient": "paprika", "g": 1}]}]},
 "program": {"preheatMin": 3, "stages": [{"airC": 190, "minutes": 30}, {"airC": 200, "minutes": 12}], "turns": [{"atMin": 14, "kind": "flip", "lots": [0, 1]}, {"atMin": 36, "kind": "brush", "lots": [1], "brush": {"parts": [{"ingredient": "butter", "share": 1}], "g": 8}}]}`

func theThree(k *kitchen) api.Plan {
	k.T.Helper()
	fryer := get[[]api.Fryer](k, 200, "GET", "/api/v1/fryers", "")[0].ID
	return get[api.Plan](k, 201, "POST", "/api/v1/plans", fmt.Sprintf(`{"name": "Three kinds", "fryerId": %q, %s}`, fryer, threeKinds))
}

// A cook of three lots is led, seen, told and kept by lot.
func TestACookOfLots(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	plan := theThree(k)
	c := get[api.Cook](k, 201, "POST", "/api/v1/cooks", fmt.Sprintf(`{"planId": %q}`, plan.Id))
	at := "/api/v1/cooks/" + c.Id
	say := func(event string) api.Cook {
		t.Helper()
		return get[api.Cook](k, 200, "POST", at+"/events", event)
	}
	k.Wait(3 * time.Minute)
	c = say(`{"kind": "loaded"}`)
	if c.Lots == nil || len(*c.Lots) != 3 || (*c.Lots)[1].Name != "hot ones" {
		t.Fatalf("%+v", c.Lots)
	}
	if p := get[api.Problem](k, 422, "POST", at+"/events", `{"kind": "probe", "value": 60, "lot": 3}`); p.Errors == nil || !strings.Contains((*p.Errors)[0].Field, "lot") {
		t.Errorf("a fourth lot is read: %s", *p.Detail)
	}
	if p := get[api.Problem](k, 422, "POST", at+"/events", `{"kind": "probe", "value": 40, "lot": 2}`); !strings.Contains(*p.Detail, "go in at minute 32") {
		t.Errorf("prawns that are not in are read: %s", *p.Detail)
	}
	if g := (*c.Lots)[2].GoesInMin; g == nil || *g != 32 || (*c.Lots)[1].GoesInMin != nil {
		t.Errorf("to go in are %+v", c.Lots)
	}
	k.Wait(14 * time.Minute)
	if !strings.Contains(c.Step.Detail+c.Step.Title+get[api.Cook](k, 200, "GET", at, "").Step.Title, "hot ones") {
		t.Errorf("the turn is of %q", get[api.Cook](k, 200, "GET", at, "").Step.Title)
	}
	say(`{"kind": "turned"}`)
	k.Wait(10 * time.Minute)
	before := say(`{"kind": "look", "value": 3, "lot": 1}`)
	// A cold drumstick says nothing against the thighs but by the fryer that
	// they share; and it comes later itself.
	c = say(`{"kind": "probe", "value": 45, "lot": 1}`)
	last := c.Events[len(c.Events)-1]
	if last.Lot == nil || *last.Lot != 1 || !strings.Contains(last.Says, "hot ones") {
		t.Errorf("it is told as %+v", last)
	}
	lots, was := *c.Lots, *before.Lots
	if lots[1].SafeByMin != nil && was[1].SafeByMin != nil && *lots[1].SafeByMin <= *was[1].SafeByMin {
		t.Errorf("read at 45 °C they are safe by %v, before by %v", *lots[1].SafeByMin, *was[1].SafeByMin)
	}
	if other := get[struct{ Cook *api.Cook }](k, 200, "GET", "/api/v1/cooks/live", ""); other.Cook == nil || body(t, other.Cook.Lots) != body(t, c.Lots) {
		t.Error("another device is told otherwise")
	}
	c = get[api.Cook](k, 200, "DELETE", at+"/events/"+last.Id, "")
	if body(t, c.Lots) != body(t, before.Lots) {
		t.Errorf("taken back they are %s, were %s", body(t, c.Lots), body(t, before.Lots))
	}
	for range 60 { // as it is asked, for 18 minutes more
		k.Wait(20 * time.Second)
		c = get[api.Cook](k, 200, "GET", at, "")
		if due := c.Step.Until != nil && !c.Step.Until.After(k.Clock()); due && (*c.Step.Action == "turned" || *c.Step.Action == "dialled") {
			say(fmt.Sprintf(`{"kind": %q}`, *c.Step.Action))
		}
	}
	if now := get[struct{ Cook *api.Cook }](k, 200, "GET", "/api/v1/cooks/live", "").Cook; (*now.Lots)[2].GoesInMin != nil {
		t.Errorf("the prawns are in, and are to go in: %+v", now.Lots)
	}
	c = say(`{"kind": "out"}`)
	ratings := `{"lots": [{"crust": "good", "inside": "juicy"}, {"crust": "pale"}, {"crust": "good"}], "note": "prawns first"}`
	entry := get[api.CookEntry](k, 200, "PUT", at+"/outcome", ratings, "If-Match", fmt.Sprintf(`"%d"`, c.OutcomeVersion))
	if o := entry.Outcome; o.Lots == nil || (*o.Lots)[1].Crust != "pale" || o.Crust == nil || *o.Crust != "pale" || o.Inside == nil || *o.Inside != "juicy" {
		t.Errorf("rated %+v", entry.Outcome)
	}
	for _, bad := range []string{`{"lots": [{"crust": "pale"}]}`, `{"lots": [{}, {}, {"crust": "loud"}]}`} {
		if w := k.Send("PUT", at+"/outcome", bad, "If-Match", fmt.Sprintf(`"%d"`, entry.OutcomeVersion)); w.Code != 422 && w.Code != 400 {
			t.Errorf("%s is taken: %d", bad, w.Code)
		}
	}
	if len(entry.Planned.Lots) != 3 || len(entry.Forecast.Lots) != 3 || len(entry.Plan.Lots) != 3 {
		t.Errorf("the entry has %d, %d and %d lots", len(entry.Planned.Lots), len(entry.Forecast.Lots), len(entry.Plan.Lots))
	}
	// It leaves with the household, and comes in as it was.
	raw := takenAway(k)
	empty := emptyKitchen(t)
	if b, p := bring(empty, raw, `{"others":"keep"}`); p != nil || !b.Kept {
		t.Fatalf("put in: %+v, %+v", b, p)
	}
	again := get[api.CookEntry](empty, 200, "GET", at, "")
	if body(t, again.Outcome) != body(t, entry.Outcome) || body(t, again.Events) != body(t, entry.Events) || body(t, again.Plan.Lots) != body(t, entry.Plan.Lots) {
		t.Errorf("it came in as %s", body(t, again))
	}
}

// What goes with a dish of lots: bench, pan, recipe, supper, shopping, counter.
func TestADishOfLotsIsWhole(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	plan := theThree(k)
	asked := "{" + threeKinds + "}"
	bench := get[api.BenchAnswer](k, 200, "POST", "/api/v1/bench", asked)
	if len(bench.Lots) != 3 || bench.Lots[0].RubG <= 0 || bench.Lots[1].RubG != 0 || len(bench.Lots[2].Bowls) != 3 {
		t.Errorf("the benches: %+v", bench.Lots)
	}
	pan := get[api.PanAnswer](k, 200, "POST", "/api/v1/pan", asked)
	if len(pan.Sauces) != 1 || pan.Sauces[0].Lot == nil || *pan.Sauces[0].Lot != 0 || pan.Sauces[0].OutMin != 42 || len(pan.Mixes) != 1 {
		t.Fatalf("the pan: %+v", pan)
	}
	sooner := get[api.PanAnswer](k, 200, "POST", "/api/v1/pan", strings.Replace(asked, `"coat": {"id": "bare"},`, `"coat": {"id": "bare"}, "outMin": 37,`, 1))
	if s := sooner.Sauces[0]; s.OutMin != 37 || math.Abs(s.Made.OnFoodG-pan.Sauces[0].Made.OnFoodG) > 1e-9 {
		t.Errorf("for thighs that are out at 37 it is ready at %g", s.OutMin)
	}
	recipe := k.Send("GET", "/api/v1/plans/"+plan.Id+"/recipe?as=markdown", "").Body.String()
	for _, want := range []string{"thighs", "hot ones", "prawns", "At minute 32", "At minute 38", "8 g of butter on the hot ones", "harissa", "toss the thighs on the bone in it", "red salt"} {
		if !strings.Contains(recipe, want) {
			t.Errorf("the recipe does not say %q:\n%s", want, recipe)
		}
	}
	was := get[api.Plan](k, 200, "GET", "/api/v1/plans/"+plan.Id, "")
	if got := readRecipe(k, recipe, ""); got.Dish == nil || got.Dish.Lots == nil || body(t, got.Dish.Lots) != body(t, was.Lots) || body(t, got.Dish.Bench) != body(t, was.Bench) {
		t.Errorf("it came in as %s", body(t, got.Dish))
	}
	planned := get[api.Sheet](k, 200, "POST", "/api/v1/sheets", fmt.Sprintf(`{"serveAt": "2026-11-30T19:30:00Z", "people": 3, "hands": 1, "hobs": 2, "warmC": 80, "dishes": [{"planId": %q}]}`, plan.Id))
	says := body(t, planned)
	for _, want := range []string{"hot ones", "Soy and honey (thighs on the bone)", "red salt"} {
		if !strings.Contains(says, want) {
			t.Errorf("the sheet does not say %q: %s", want, says)
		}
	}
	for name, g := range map[string]float64{"prawns": 108, "thighs on the bone": 300, "butter": 8, "harissa paste": 20} {
		i := slices.IndexFunc(planned.Shopping, func(n sheet.Need) bool { return strings.EqualFold(n.Name, name) })
		if i < 0 || math.Abs(planned.Shopping[i].G-g) > 0.5 {
			t.Errorf("%s: %g g are to be bought, and the list is %+v", name, g, planned.Shopping)
		}
	}
}

// A reading in one of three lots is answered with all three.
func BenchmarkEventOfThreeLots(b *testing.B) {
	k := newKitchen(b, "")
	c := get[api.Cook](k, 201, "POST", "/api/v1/cooks", fmt.Sprintf(`{"planId": %q}`, theThree(k).Id))
	say := func(event string) { get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", event) }
	k.Wait(3 * time.Minute)
	say(`{"kind": "loaded"}`)
	k.Wait(10 * time.Minute)
	say(`{"kind": "probe", "value": 30, "lot": 1}`)
	for n := 0; b.Loop(); n++ {
		k.Wait(time.Second)
		say(fmt.Sprintf(`{"kind": "probe", "value": %d, "lot": %d}`, 30+n%3, n%2))
	}
}
