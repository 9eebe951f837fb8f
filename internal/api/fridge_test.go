package api_test

import (
	"fmt"
	"reflect"
	"strings"
	"testing"

	"velocrustum/core/verdict"
	"velocrustum/internal/api"
	"velocrustum/internal/api/apitest"
)

// The fridge that somebody measured is where cold food starts from, in window, kept dish,
// live cook and thawing; one that is too warm is said. Taken back, all is as it was to the
// digit, and a cook keeps the fridge of its evening.
func TestTheFridgeIsKnown(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := emptyKitchen(t)
	f := get[api.Fryer](k, 201, "POST", "/api/v1/fryers", apitest.Drawer)
	dish := func(startC string) string {
		return `"load": {"cut": "chicken-drumstick", "pieces": 6, "pieceMassG": 110, "thicknessMm": 42` + startC + `}, "coat": {"id": "oil-rub", "oilG": 6}, "program": {"preheatMin": 3, "stages": [{"airC": 190, "minutes": 28}], "turns": [{"atMin": 14, "kind": "flip"}]}`
	}
	simulate := func(startC string) verdict.Answer {
		t.Helper()
		return get[verdict.Answer](k, 200, "POST", "/api/v1/simulations", `{"fryerId": "`+f.ID+`", `+dish(startC)+`}`)
	}
	fridge := func(c string) {
		t.Helper()
		get[struct{}](k, 200, "PATCH", "/api/v1/settings", `{"fridgeC": `+c+`}`)
	}
	before := simulate("")
	fridge("4")
	known := simulate("")
	if was, is := before.Chance.Core[20], known.Chance.Core[20]; is.HighC-is.LowC >= was.HighC-was.LowC || known.SafeAtMin == nil || *known.SafeAtMin != *before.SafeAtMin {
		t.Errorf("measured as it is taken: inside at 10 min %v, was %v", is, was)
	}
	fridge("9")
	warm := simulate("")
	if *warm.SafeAtMin > *before.SafeAtMin-0.3 {
		t.Errorf("safe at %.2f from a fridge of 9 °C, and from any at %.2f", *warm.SafeAtMin, *before.SafeAtMin)
	}
	if said := simulate(`, "startC": 3`); *said.SafeAtMin < *before.SafeAtMin+0.1 {
		t.Errorf("said to be at 3 °C it is safe at %.2f, from any fridge at %.2f", *said.SafeAtMin, *before.SafeAtMin)
	}
	usual := get[api.Catalog](k, 200, "GET", "/api/v1/catalog", "").Usual
	if usual.FridgeC != 10 || usual.FridgeAirC != 9 || usual.FridgeSays == nil || !strings.Contains(*usual.FridgeSays, "turn it colder") {
		t.Errorf("of a fridge of 9 °C the catalogue says %v °C, %v", usual.FridgeC, usual.FridgeSays)
	}
	// What comes out of it is fridge-cold, and not cool.
	for _, w := range usual.Warmth {
		if usual.FridgeC < w.UnderC {
			if w.Says != "fridge-cold" {
				t.Errorf("out of a fridge of 9 °C food is %s", w.Says)
			}
			break
		}
	}
	body := `"fryerId": "` + f.ID + `", "lots": [{"load": {"cut": "chicken-drumstick", "pieces": 6, "pieceMassG": 110}, "coat": {"id": "oil-rub", "oilG": 6}, "bench": {"drying": {}, "coating": {}, "salting": {"school": "dry", "targetPct": 1.2, "hours": 12}}}],
		"program": {"preheatMin": 3, "stages": [{"airC": 190, "minutes": 28}]}}`
	plan := get[api.Plan](k, 201, "POST", "/api/v1/plans", `{"name": "Drumsticks", `+body)
	if b := k.Send("POST", "/api/v1/bench", `{`+body).Body.String(); !strings.Contains(b, "Yours stands at 9 °C: turn it colder first.") {
		t.Errorf("what is salted for twelve hours: %s", b)
	}
	c := get[api.Cook](k, 201, "POST", "/api/v1/cooks", `{"planId":"`+plan.Id+`"}`)
	fridge("null")
	if again := simulate(""); !reflect.DeepEqual(again, before) {
		t.Errorf("taken back it is safe at %v, was at %v", *again.SafeAtMin, *before.SafeAtMin)
	}
	if kept := get[api.Cook](k, 200, "GET", "/api/v1/cooks/"+c.Id, ""); kept.Fryer.FridgeC == nil || *kept.Fryer.FridgeC != 9 {
		t.Errorf("the cook has a fridge of %v", kept.Fryer.FridgeC)
	}
	if own := get[[]api.Fryer](k, 200, "GET", "/api/v1/fryers", "")[0]; own.FridgeC != nil {
		t.Errorf("its fryer has a fridge of %v", *own.FridgeC)
	}
	for _, c := range []string{"-3", "13", `"cold"`} {
		if w := k.Send("PATCH", "/api/v1/settings", fmt.Sprintf(`{"fridgeC": %s}`, c)); w.Code != 422 && w.Code != 400 || !strings.Contains(w.Body.String(), "fridgeC") {
			t.Errorf("a fridge of %s: %d %s", c, w.Code, w.Body)
		}
	}
}
