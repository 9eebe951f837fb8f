package api_test

import (
	"math"
	"strings"
	"testing"

	"velocrustum/internal/api"
)

const leftAndRight = `{"fryer": {"drawers": 2, "powerW": 2400}, "chambers": [
 {"lots": [{"load": {"cut": "chicken-thigh-bone-in", "pieces": 4, "pieceMassG": 150}, "coat": {"id": "bare"}, "bench": {"drying": {}, "coating": {}, "salting": {"school": "dry", "hours": 4, "targetPct": 1}}}],
  "program": {"preheatMin": 3, "stages": [{"airC": 190, "minutes": 36}], "turns": [{"atMin": 18, "kind": "flip"}]}},
 {"lots": [{"load": {"cut": "chicken-drumstick", "pieces": 3, "pieceMassG": 105}, "coat": {"id": "oil-rub", "oilG": 3}}, {"load": {"cut": "prawn", "pieces": 4, "pieceMassG": 18}, "coat": {"id": "starch-dust", "oilG": 1}, "inMin": 18}],
  "program": {"preheatMin": 3, "stages": [{"airC": 185, "minutes": 27}]}, "startMin": 9}]}`

// Two drawers are answered each by itself and both together, by the contract;
// where one dish is meant they are refused in words, and not read as none.
func TestTwoDrawersRunApart(t *testing.T) {
	k := newKitchen(t, "")
	a := get[api.Answered](k, 200, "POST", "/api/v1/simulations", leftAndRight)
	if len(a.Chambers) != 2 || len(a.Chambers[1].Lots) != 2 || a.Chambers[1].StartMin != 9 || len(a.Laid) != 3 || a.Laid[0].Coat.SaltPct <= 0 {
		t.Fatalf("%d drawers: %+v", len(a.Chambers), a.Verdict)
	}
	left, right := a.Chambers[0], a.Chambers[1]
	if a.Verdict.Says == "" || left.Chance == nil || right.Lots[1].InMin != 18 || math.Abs(*a.SafeAtMin-max(*left.SafeAtMin, *right.SafeAtMin+9)) > 1e-9 {
		t.Errorf("%+v", a.Verdict)
	}
	if n := len(a.Plug); n < 60 || a.Plug[0].Minute > -3 {
		t.Errorf("the plug has %d moments, from %+v", n, a.Plug[0])
	}
	for path, body := range map[string]string{
		"/bench": leftAndRight, "/pan": leftAndRight, "/recommendations": leftAndRight, "/baskets": leftAndRight,
	} {
		if p := get[api.Problem](k, 422, "POST", "/api/v1"+path, body); (*p.Errors)[0].Field != "chambers" {
			t.Errorf("%s: %+v", path, *p.Errors)
		}
	}
	for spoilt, field := range map[string]string{
		strings.Replace(leftAndRight, `"drawers": 2`, `"drawers": 1`, 1):                                                   "fryer.drawers",
		strings.Replace(leftAndRight, `"pieces": 3`, `"pieces": 0`, 1):                                                     "chambers[1].lots[0].load.pieces",
		strings.Replace(leftAndRight, `"startMin": 9`, `"startMin": 999`, 1):                                               "chambers[1].startMin",
		strings.Replace(leftAndRight, `"chambers"`, `"program": {"stages": [{"airC": 190, "minutes": 9}]}, "chambers"`, 1): "chambers",
		strings.Replace(leftAndRight, `"hours": 4`, `"hours": 9000`, 1):                                                    "chambers[0].lots[0].bench.salting.hours",
	} {
		w := k.send("POST", "/api/v1/simulations", spoilt)
		if w.Code == 200 || !strings.Contains(w.Body.String(), strings.NewReplacer("[0]", "", "[1]", "").Replace(field)) && !strings.Contains(w.Body.String(), field) {
			t.Errorf("%s: %d %s", field, w.Code, w.Body)
		}
	}
}

// An evening on a fryer of two drawers has both at once: each its own basket and
// its own now, told by name.
func TestAnEveningInTwoDrawers(t *testing.T) {
	k := newKitchen(t, "")
	twin := get[api.Fryer](k, 201, "POST", "/api/v1/fryers", `{"name": "Twin", "kind": "drawer", "basket": {"shape": "rectangle", "widthMm": 180, "depthMm": 250}, "powerW": 2400, "airflow": 1, "dialOffsetC": 0, "drawers": 2, "dial": {"minC": 80, "maxC": 200, "stepC": 5}}`)
	dish := func(name, lots, stages string) string {
		t.Helper()
		return get[api.Plan](k, 201, "POST", "/api/v1/plans", `{"name": "`+name+`", "fryerId": "`+twin.ID+`", "lots": [`+lots+`], "bench": {"drying": {}, "coating": {}}, "program": {"preheatMin": 3, "stages": [`+stages+`]}}`).Id
	}
	legs := dish("Legs", `{"load": {"cut": "chicken-drumstick", "pieces": 4, "pieceMassG": 110}, "coat": {"id": "bare"}}`, `{"airC": 185, "minutes": 30}`)
	chips := dish("Wedges", `{"load": {"cut": "potato-wedge", "pieces": 12, "pieceMassG": 32}, "coat": {"id": "oil-rub", "oilG": 10}}`, `{"airC": 190, "minutes": 24}`)
	evening := `"serveAt": "2026-11-20T19:30:00Z", "people": 2, "hands": 1, "hobs": 2, "warmC": 80, "sides": [], "dishes": [{"planId": "` + legs + `"}, {"planId": "` + chips + `"}]`
	planned := get[api.Sheet](k, 200, "POST", "/api/v1/sheets", "{"+evening+"}")
	if len(planned.Fryers) != 2 || planned.Fryers[0].Name != "Left drawer" || planned.Fryers[1].Name != "Right drawer" {
		t.Errorf("it is fried in %+v", planned.Fryers)
	}
	supper := get[api.Supper](k, 200, "PUT", "/api/v1/suppers/twin-night", `{"id": "twin-night", "name": "Legs and wedges", "evening": {`+evening+`}}`)
	e := get[api.LiveEvening](k, 201, "POST", "/api/v1/evenings", `{"supperId": "`+supper.ID+`", "soon": true}`)
	places := map[string]bool{}
	for _, b := range e.Baskets {
		places[b.FryerId] = true
	}
	if len(e.Baskets) != 2 || !places[twin.ID] || !places[twin.ID+"/right"] {
		t.Fatalf("baskets %+v", e.Baskets)
	}
	both, said := false, map[string]bool{}
	for range 600 {
		if e.Course.Over {
			break
		}
		now := e.Course.Now[0]
		if wait := now.Until.Sub(k.clock()); wait > 0 {
			k.wait(min(wait, 30_000_000_000))
			e = get[api.LiveEvening](k, 200, "GET", "/api/v1/evenings/"+e.Id, "")
		} else {
			said[now.Where] = true
			e = tap(k, e)
		}
		in := 0
		for _, b := range e.Baskets {
			if b.LoadedAt != nil && b.OutAt == nil {
				in++
			}
		}
		both = both || in == 2
	}
	if !e.Course.Over || !both || !said["Left drawer"] || !said["Right drawer"] {
		t.Errorf("over %v, both in at once %v, told of %v", e.Course.Over, both, said)
	}
	// One fryer that is in use twice still stands in the kitchen as one.
	if p := get[api.Problem](k, 409, "DELETE", "/api/v1/fryers/"+twin.ID, ""); p.Detail == nil || !strings.Contains(*p.Detail, "Legs") {
		t.Errorf("%+v", p)
	}
}
