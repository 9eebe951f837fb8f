package api_test

import (
	"encoding/json"
	"strings"
	"testing"
	"time"

	"velocrustum/internal/api"
)

// A kitchen's settings reach the words of a live cook and the rule of the
// next plan, not that of a cook already begun.
func TestSettingsReachTheCook(t *testing.T) {
	k := newKitchen(t, "")
	plan := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")[0]
	set := get[api.Settings](k, 200, "GET", "/api/v1/settings", "")
	if set.Temperature != "C" || set.Guidance != "us" {
		t.Errorf("begins with %+v", set)
	}
	c := get[api.Cook](k, 201, "POST", "/api/v1/cooks", `{"planId":"`+plan.Id+`"}`)
	set.Temperature, set.Guidance = "F", "uk"
	body, err := json.Marshal(set)
	if err != nil {
		t.Fatal(err)
	}
	get[api.Settings](k, 200, "PATCH", "/api/v1/settings", string(body))
	c = get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind":"loaded"}`)
	if !strings.Contains(c.Step.Title, "392 °F") {
		t.Errorf("says %q", c.Step.Title)
	}
	if c.Forecast.Rule.HoldMin != 0 {
		t.Error("the rule changed under a live cook")
	}
	catalog := get[api.Catalog](k, 200, "GET", "/api/v1/catalog", "")
	for _, cut := range catalog.Cuts {
		want := 70.0
		if cut.Safety == "plant" {
			want = 92
		}
		if cut.RuleC != want {
			t.Errorf("%s: %g °C under UK guidance, want %g", cut.Id, cut.RuleC, want)
		}
		if len(cut.Faces) != 2 || cut.LeastG >= cut.MostG {
			t.Errorf("%s: %+v", cut.Id, cut)
		}
	}
	if len(catalog.Cuts) < 30 || len(catalog.Coats) < 11 {
		t.Errorf("%d cuts and %d coats", len(catalog.Cuts), len(catalog.Coats))
	}
}

func TestFryerChangesReachTheNextForecastOnly(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	plan := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")[0]
	begin := func() api.Cook {
		t.Helper()
		return get[api.Cook](k, 201, "POST", "/api/v1/cooks", `{"planId":"`+plan.Id+`"}`)
	}
	first := begin()
	for _, f := range get[[]api.Fryer](k, 200, "GET", "/api/v1/fryers", "") {
		if f.ID != plan.FryerId {
			continue
		}
		in, less := f, 0.6
		in.ID, in.Version, in.Airflow, in.DialOffsetC = "", 0, &less, -25
		body, err := json.Marshal(in)
		if err != nil {
			t.Fatal(err)
		}
		if now := get[api.Fryer](k, 200, "PUT", "/api/v1/fryers/"+f.ID, string(body), "If-Match", `"1"`); now.Version != 2 {
			t.Errorf("version %d", now.Version)
		}
		get[api.Problem](k, 412, "PUT", "/api/v1/fryers/"+f.ID, strings.Replace(string(body), "-25", "-20", 1), "If-Match", `"1"`)
	}
	k.Wait(5 * time.Minute)
	again := get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+first.Id+"/events", `{"kind":"loaded"}`)
	if *again.Fryer.Airflow != 1 {
		t.Error("the fryer changed under a live cook")
	}
	k.Wait(30 * time.Minute)
	get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+first.Id+"/events", `{"kind":"out"}`)
	second := begin()
	planned := func(c api.Cook) *float64 {
		return get[api.CookEntry](k, 200, "GET", "/api/v1/cooks/"+c.Id, "").Planned.SafeAtMin
	}
	slow, fast := planned(second), planned(first)
	if slow == nil || fast == nil || *slow < *fast+1 {
		t.Errorf("a weak, cool fryer is safe at %v, the old one at %v", slow, fast)
	}
}

func TestEventsAreRefusedInWords(t *testing.T) {
	k := newKitchen(t, "")
	plan := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")[0]
	c := get[api.Cook](k, 201, "POST", "/api/v1/cooks", `{"planId":"`+plan.Id+`"}`)
	path := "/api/v1/cooks/" + c.Id + "/events"
	get[api.Problem](k, 422, "POST", path, `{"kind":"turned"}`)
	get[api.Problem](k, 422, "POST", path, `{"kind":"sung"}`)
	get[api.Problem](k, 404, "DELETE", path+"/none-such-id", "")
	get[api.Problem](k, 422, "POST", path, `{"id":"x","kind":"loaded"}`)
	get[api.Cook](k, 200, "POST", path, `{"kind":"loaded"}`)
	p := get[api.Problem](k, 422, "POST", path, `{"kind":"probe","value":900}`)
	if p.Errors == nil || (*p.Errors)[0].Field != "value" || (*p.Errors)[0].Value != "900" {
		t.Errorf("%+v", p)
	}
	get[api.Problem](k, 404, "POST", "/api/v1/cooks/none/events", `{"kind":"loaded"}`)
	get[api.Problem](k, 422, "PUT", "/api/v1/cooks/"+c.Id+"/outcome", `{"crust":"sublime"}`)
	get[api.Problem](k, 404, "POST", "/api/v1/cooks", `{"planId":"none"}`)
}
