package apitest

import (
	"encoding/json"
	"fmt"
	"slices"
	"strings"
	"testing"
	"time"

	"velocrustum/internal/api"
)

// Begun is card night, begun now.
func Begun(t testing.TB, k *Kitchen) api.LiveEvening {
	t.Helper()
	suppers := Get[[]api.Supper](k, 200, "GET", "/api/v1/suppers", "")
	i := slices.IndexFunc(suppers, func(s api.Supper) bool { return s.Name == "Card night" })
	return Get[api.LiveEvening](k, 201, "POST", "/api/v1/evenings", fmt.Sprintf(`{"supperId": %q, "soon": true}`, suppers[i].ID))
}

// Tap says what is asked for first.
func Tap(k *Kitchen, e api.LiveEvening) api.LiveEvening {
	k.T.Helper()
	d := e.Course.Now[0]
	if d.Of == "" {
		return Get[api.LiveEvening](k, 200, "POST", "/api/v1/evenings/"+e.Id+"/events", fmt.Sprintf(`{"kind": "done", "task": %q}`, d.ID))
	}
	i := slices.IndexFunc(e.Baskets, func(b api.LiveBasket) bool { return b.Key == d.Of })
	Get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+e.Baskets[i].CookId+"/events", fmt.Sprintf(`{"kind": %q}`, d.Action))
	return Get[api.LiveEvening](k, 200, "GET", "/api/v1/evenings/"+e.Id, "")
}

// Until goes on with an evening as it is asked, until a task is asked for.
func Until(k *Kitchen, e api.LiveEvening, task string) api.LiveEvening {
	k.T.Helper()
	for range 400 {
		if e.Course.Over {
			return e
		}
		d := e.Course.Now[0]
		if wait := d.Until.Sub(k.Clock()); wait > 0 {
			k.Wait(min(wait, 30*time.Second))
			e = Get[api.LiveEvening](k, 200, "GET", "/api/v1/evenings/"+e.Id, "")
			continue
		}
		if string(d.ID) == task {
			return e
		}
		e = Tap(k, e)
	}
	k.T.Fatalf("%s is never asked for", task)
	return e
}

// OneOut goes on with an evening as it is asked, until one basket is out.
func OneOut(k *Kitchen, e api.LiveEvening) api.LiveEvening {
	k.T.Helper()
	for range 300 {
		if slices.ContainsFunc(e.Baskets, func(b api.LiveBasket) bool { return b.OutAt != nil }) {
			return e
		}
		if d := e.Course.Now[0]; d.Until.After(k.Clock()) {
			k.Wait(30 * time.Second)
			e = Get[api.LiveEvening](k, 200, "GET", "/api/v1/evenings/"+e.Id, "")
		} else {
			e = Tap(k, e)
		}
	}
	k.T.Fatal("no basket ever comes out")
	return e
}

// CardNight is the demo household's supper.
func CardNight(t *testing.T, k *Kitchen) api.Supper {
	t.Helper()
	for _, s := range Get[[]api.Supper](k, 200, "GET", "/api/v1/suppers", "") {
		if s.Name == "Card night" {
			return s
		}
	}
	t.Fatal("no card night")
	return api.Supper{}
}

// Body is a value as it is sent.
func Body(t *testing.T, v any) string {
	t.Helper()
	b, err := json.Marshal(v)
	if err != nil {
		t.Fatal(err)
	}
	return string(b)
}

// Drumsticks is a cook that has just gone in.
func Drumsticks(t testing.TB, k *Kitchen) api.Cook {
	t.Helper()
	plans := Get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")
	i := slices.IndexFunc(plans, func(p api.Plan) bool { return strings.HasPrefix(p.Name, "Harissa drumsticks") })
	c := Get[api.Cook](k, 201, "POST", "/api/v1/cooks", fmt.Sprintf(`{"planId": %q}`, plans[i].Id))
	k.Wait(4 * time.Minute)
	return Get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind": "loaded"}`)
}

// Planned makes a plan of the demo's wings with changes.
func Planned(k *Kitchen, change func(*api.PlanInput)) api.Plan {
	k.T.Helper()
	p := Get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")[0]
	in := api.PlanInput{Name: p.Name, FryerId: p.FryerId, Lots: &p.Lots, Bench: &p.Bench, Program: p.Program}
	change(&in)
	body, err := json.Marshal(in)
	if err != nil {
		k.T.Fatal(err)
	}
	return Get[api.Plan](k, 201, "POST", "/api/v1/plans", string(body))
}

// Start begins a basket of a plan.
func Start(k *Kitchen, plan string, basket int) api.Cook {
	k.T.Helper()
	return Get[api.Cook](k, 201, "POST", "/api/v1/cooks", fmt.Sprintf(`{"planId": %q, "basket": %d}`, plan, basket))
}

// ReadRecipe has a text read, with more fields beside it.
func ReadRecipe(k *Kitchen, text, more string) api.RecipeRead {
	k.T.Helper()
	fryers := Get[[]api.Fryer](k, 200, "GET", "/api/v1/fryers", "")
	quoted, err := json.Marshal(text)
	if err != nil {
		k.T.Fatal(err)
	}
	return Get[api.RecipeRead](k, 200, "POST", "/api/v1/recipes", fmt.Sprintf(`{"text": %s, "fryerId": %q%s}`, quoted, fryers[0].ID, more))
}

// Wings is a request of wings in a fryer of its own.
const Wings = `{"load": {"cut": "chicken-wing-flat", "pieces": 12, "pieceMassG": 42}, "coat": {"id": "starch-dust", "oilG": 4},
	"fryer": {"kind": "drawer", "dial": {"minC": 90, "maxC": 190, "stepC": 10}}, "program": {"preheatMin": 4, "stages": [{"airC": 190, "minutes": 20}]}}`

// Drawer is a middling fryer, as it is told.
const Drawer = `{"name": "Drawer", "kind": "drawer", "powerW": 1500, "basket": {"shape": "rectangle", "widthMm": 230, "depthMm": 230}, "airflow": 1, "dialOffsetC": 0, "dial": {"minC": 80, "maxC": 200, "stepC": 5}}`
