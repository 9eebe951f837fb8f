package session_test

import (
	"fmt"
	"math"
	"strings"
	"testing"
	"time"

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
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
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
		w := k.Send("POST", "/api/v1/simulations", spoilt)
		if w.Code == 200 || !strings.Contains(w.Body.String(), strings.NewReplacer("[0]", "", "[1]", "").Replace(field)) && !strings.Contains(w.Body.String(), field) {
			t.Errorf("%s: %d %s", field, w.Code, w.Body)
		}
	}
}

// An evening on a fryer of two drawers has both at once: each its own basket and
// its own now, told by name.
func TestAnEveningInTwoDrawers(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
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
		if wait := now.Until.Sub(k.Clock()); wait > 0 {
			k.Wait(min(wait, 30_000_000_000))
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

// A dish in one drawer is planned, kept and cooked there; the one beside it is
// known, and both go on at once, each with its own now.
func TestADishHasItsDrawer(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	twin := get[api.Fryer](k, 201, "POST", "/api/v1/fryers", `{"name": "Twin", "kind": "drawer", "basket": {"shape": "rectangle", "widthMm": 180, "depthMm": 250}, "powerW": 2400, "airflow": 1, "dialOffsetC": 0, "drawers": 2, "dial": {"minC": 80, "maxC": 200, "stepC": 5}}`)
	dish := func(name, drawer, more, cut string, pieces int, minutes float64) string {
		return fmt.Sprintf(`{"name": %q, "fryerId": %q, "drawer": %q%s, "lots": [{"load": {"cut": %q, "pieces": %d, "pieceMassG": 105}, "coat": {"id": "oil-rub", "oilG": 4}}],
			"program": {"preheatMin": 3, "stages": [{"airC": 190, "minutes": %g}]}}`, name, twin.ID, drawer, more, cut, pieces, minutes)
	}
	legs := get[api.Plan](k, 201, "POST", "/api/v1/plans", dish("Legs", "left", "", "chicken-drumstick", 4, 30))
	right := get[api.Plan](k, 201, "POST", "/api/v1/plans", dish("Few", "right", `, "besideId": "`+legs.Id+`", "ready": "together"`, "chicken-drumstick", 2, 24))
	if right.BesideId == nil || *right.BesideId != legs.Id || *right.Drawer != "right" || *right.Ready != "together" {
		t.Errorf("kept as %+v", right)
	}
	round := get[[]api.Fryer](k, 200, "GET", "/api/v1/fryers", "")[0]
	for field, body := range map[string]string{
		"drawer":   strings.Replace(dish("Legs", "left", "", "chicken-drumstick", 4, 30), twin.ID, round.ID, 1),
		"besideId": dish("Legs", "left", `, "besideId": "nobody"`, "chicken-drumstick", 4, 30),
	} {
		if p := get[api.Problem](k, 422, "POST", "/api/v1/plans", body); (*p.Errors)[0].Field != field {
			t.Errorf("%s: %+v", field, *p.Errors)
		}
	}
	get[api.Problem](k, 422, "PUT", "/api/v1/plans/"+right.Id, strings.Replace(dish("Few", "right", `, "besideId": "`+right.Id+`"`, "chicken-drumstick", 2, 24), "", "", 1))

	// Ready together is the server's to work out.
	pair := func(ready string) api.Answered {
		return get[api.Answered](k, 200, "POST", "/api/v1/simulations", fmt.Sprintf(`{"fryerId": %q, "ready": %q, "chambers": [
			{"lots": [{"load": {"cut": "chicken-drumstick", "pieces": 4, "pieceMassG": 105}}], "program": {"preheatMin": 3, "stages": [{"airC": 190, "minutes": 30}]}},
			{"lots": [{"load": {"cut": "chicken-drumstick", "pieces": 2, "pieceMassG": 105}}], "program": {"preheatMin": 3, "stages": [{"airC": 190, "minutes": 24}]}}]}`, twin.ID, ready))
	}
	for ready, at := range map[string]float64{"together": 6, "start": 0, "left-first": 30} {
		if a := pair(ready); a.Chambers[0].StartMin != 0 || a.Chambers[1].StartMin != at {
			t.Errorf("%s: %g and %g", ready, a.Chambers[0].StartMin, a.Chambers[1].StartMin)
		}
	}

	begin := func(id string, status int) {
		t.Helper()
		get[api.Cook](k, status, "POST", "/api/v1/cooks", `{"planId":"`+id+`"}`)
	}
	begin(legs.Id, 201)
	get[api.Problem](k, 409, "POST", "/api/v1/cooks", `{"planId":"`+legs.Id+`"}`)
	live := get[api.GetLiveCook200JSONResponse](k, 200, "GET", "/api/v1/cooks/live", "")
	if live.Beside != nil || live.Cook.Fryer.Name != "Twin, left" {
		t.Errorf("one cook: %+v in %s", live.Beside, live.Cook.Fryer.Name)
	}
	tell := func(id, kind string) {
		get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+id+"/events", `{"kind":"`+kind+`"}`)
	}
	left := live.Cook.Id
	k.Wait(time.Minute)
	begin(right.Id, 201)
	live = get[api.GetLiveCook200JSONResponse](k, 200, "GET", "/api/v1/cooks/live", "")
	if live.Beside == nil || len(*live.Beside) != 2 || live.Cook.Id != left || (*live.Beside)[1].Place != "Twin, right" || (*live.Beside)[1].Shown {
		t.Fatalf("what is hot first comes first: %+v", live.Beside)
	}
	other := (*live.Beside)[1].Id
	if one := get[api.GetLiveCook200JSONResponse](k, 200, "GET", "/api/v1/cooks/live?cook="+other, ""); one.Cook.Id != other || one.Mark == live.Mark {
		t.Errorf("wanted the right one: %s", one.Cook.Name)
	}
	k.Wait(4 * time.Minute)
	tell(left, "loaded")
	tell(other, "loaded")
	k.Wait(25 * time.Minute)
	tell(other, "out")
	k.Wait(6 * time.Minute)
	tell(left, "out")
	if live = get[api.GetLiveCook200JSONResponse](k, 200, "GET", "/api/v1/cooks/live", ""); live.Cook != nil {
		t.Errorf("still live: %s", live.Cook.Name)
	}
	for id, minutes := range map[string]float64{left: 31, other: 25} {
		c := get[api.Cook](k, 200, "GET", "/api/v1/cooks/"+id, "")
		line := c.Forecast.Timeline
		if c.FinishedAt == nil || math.Abs(line[len(line)-1].Minute-minutes) > 16 || c.Fryer.Drawer == "" {
			t.Errorf("%s has a curve to minute %g, in %+v", c.Name, line[len(line)-1].Minute, c.Fryer.Drawer)
		}
	}
	// In a supper each lies in its own drawer.
	planned := get[api.Sheet](k, 200, "POST", "/api/v1/sheets", `{"serveAt": "2026-11-20T19:30:00Z", "people": 2, "hands": 1, "hobs": 2, "warmC": 80, "sides": [], "dishes": [{"planId": "`+right.Id+`"}, {"planId": "`+legs.Id+`"}]}`)
	for _, task := range planned.Tasks {
		if task.Kind == "run" && (task.Place == twin.ID) != (task.Dish == legs.Id) {
			t.Errorf("%s in %s", task.Says, task.Place)
		}
	}
	// Both at once: off the bench, each in its drawer, ready together.
	e := get[api.LiveEvening](k, 201, "POST", "/api/v1/evenings", `{"planIds": ["`+right.Id+`", "`+legs.Id+`"]}`)
	if e.SupperId != nil || e.Name != "Few and Legs" || len(e.Baskets) != 2 {
		t.Errorf("begun as %s, %d baskets", e.Name, len(e.Baskets))
	}
	for _, task := range e.Course.Tasks {
		if task.Kind == "wipe" || task.Kind == "coat" || strings.HasPrefix(task.Title, "Oil") {
			t.Errorf("to be done before: %s", task.Title)
		}
	}
	for _, b := range e.Baskets {
		if (b.FryerId == twin.ID) != (b.Dish == legs.Id) {
			t.Errorf("%s in %s", b.Name, b.FryerId)
		}
	}
	get[api.Problem](k, 422, "POST", "/api/v1/evenings", `{"planIds": ["nobody"]}`)
	get[api.Problem](k, 422, "POST", "/api/v1/evenings", `{"supperId": "x", "planIds": ["nobody"]}`)
	// Its recipe tells of the other drawer, and comes in again as itself alone.
	text := k.Send("GET", "/api/v1/plans/"+right.Id+"/recipe?as=markdown", "").Body.String()
	if !strings.Contains(text, "in the right drawer") || !strings.Contains(text, "In the left drawer: Legs, by its own recipe; it goes in 6 min sooner.") {
		t.Errorf("written as %s", text)
	}
	again := get[api.RecipeRead](k, 200, "POST", "/api/v1/recipes", fmt.Sprintf(`{"text": %q, "fryerId": %q}`, text, round.ID))
	if again.Dish == nil || again.Dish.BesideId != nil || *again.Dish.Drawer != "right" || again.Dish.FryerId != twin.ID {
		t.Errorf("comes in as %+v", again.Dish)
	}
	// One of two drawers from elsewhere is two dishes, each in its own.
	both := get[api.RecipeRead](k, 200, "POST", "/api/v1/recipes", fmt.Sprintf(`{"text": "Legs and chips\n4 chicken drumsticks\n500 g potato wedges\nDrawer 1: the drumsticks, 190C, 28 minutes.\nDrawer 2: the wedges, 190C, 22 minutes.", "fryerId": %q}`, twin.ID))
	if both.Dish == nil || both.Beside == nil || both.Beside.Dish == nil || *both.Dish.Drawer != "left" || *both.Beside.Dish.Drawer != "right" || both.Beside.Dish.Lots[0].Load.Cut != "potato-wedge" {
		t.Errorf("two drawers from elsewhere: %+v beside %+v", both.Dish, both.Beside)
	}
}
