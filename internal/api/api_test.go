package api_test

import (
	"bytes"
	"context"
	"encoding/json"
	"io"
	"maps"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"

	"github.com/getkin/kin-openapi/openapi3"
	"github.com/getkin/kin-openapi/openapi3filter"
	"github.com/getkin/kin-openapi/routers/gorillamux"

	"velocrustum/internal/api"
)

func TestAnswersKeepTheContract(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	spec, err := api.GetSpec()
	if err != nil {
		t.Fatal(err)
	}
	routes, err := gorillamux.NewRouter(spec)
	if err != nil {
		t.Fatal(err)
	}
	plan := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")[0]
	cook := get[api.Cook](k, 201, "POST", "/api/v1/cooks", `{"planId":"`+plan.Id+`"}`)
	simulation := `{"load":{"cut":"prawn","pieces":6,"pieceMassG":18},"program":{"stages":[{"airC":200,"minutes":8}]}}`
	for _, c := range []struct{ method, path, body string }{
		{"GET", "/api/v1/catalog", ""},
		{"GET", "/api/v1/settings", ""},
		{"GET", "/api/v1/fryers", ""},
		{"GET", "/api/v1/plans", ""},
		{"GET", "/api/v1/plans/" + plan.Id, ""},
		{"GET", "/api/v1/cooks", ""},
		{"GET", "/api/v1/cooks/live", ""},
		{"GET", "/api/v1/cooks/" + cook.Id, ""},
		{"POST", "/api/v1/cooks/" + cook.Id + "/events", `{"kind":"loaded"}`},
		{"POST", "/api/v1/simulations", simulation},
		{"POST", "/api/v1/simulations?chance=false", simulation},
		{"POST", "/api/v1/conversions", `{"request":` + simulation + `,"recipe":{"kind":"oil","tempC":180,"minutes":3}}`},
		{"POST", "/api/v1/baskets", with(simulation, `"perBasket":4`)},
		{"POST", "/api/v1/fryer-guesses", `{"kind":"drawer","litres":5.5}`},
		{"POST", "/api/v1/bench", benchOf},
		{"POST", "/api/v1/amounts", `{"ingredient":"egg","text":"2"}`},
		{"GET", "/api/v1/pantry", ""},
		{"GET", "/api/v1/plans/none", ""},
		{"POST", "/api/v1/simulations", `{"load":{"cut":"prawn","pieces":0,"pieceMassG":18},"program":{"stages":[]}}`},
	} {
		w := k.Send(c.method, c.path, c.body)
		r := httptest.NewRequest(c.method, c.path, nil)
		route, params, err := routes.FindRoute(r)
		if err != nil {
			t.Fatalf("%s %s: %v", c.method, c.path, err)
		}
		err = openapi3filter.ValidateResponse(context.Background(), &openapi3filter.ResponseValidationInput{
			RequestValidationInput: &openapi3filter.RequestValidationInput{Request: r, PathParams: params, Route: route},
			Status:                 w.Code, Header: w.Header(), Body: io.NopCloser(bytes.NewReader(w.Body.Bytes())),
		})
		if err != nil {
			t.Errorf("%s %s: %v", c.method, c.path, err)
		}
		answer := route.Operation.Responses.Status(w.Code)
		if answer == nil {
			answer = route.Operation.Responses.Default()
		}
		for kind, media := range answer.Value.Content {
			if strings.HasPrefix(w.Header().Get("Content-Type"), kind) {
				declared(t, c.method+" "+c.path, media.Schema.Value, w.Body.Bytes())
			}
		}
	}
	w := k.Send("POST", "/api/v1/recommendations", simulation)
	for _, line := range bytes.Split(bytes.TrimSpace(w.Body.Bytes()), []byte("\n")) {
		schema := spec.Components.Schemas["RecommendationLine"].Value
		var v any
		if err := json.Unmarshal(line, &v); err != nil {
			t.Fatal(err)
		}
		if err := schema.VisitJSON(v); err != nil {
			t.Errorf("a line of ways: %v", err)
		}
		declared(t, "a line of ways", schema, line)
	}
}

// declared says which properties of an answer the contract does not know.
func declared(t *testing.T, what string, schema *openapi3.Schema, body []byte) {
	t.Helper()
	var v any
	if err := json.Unmarshal(body, &v); err != nil {
		t.Fatalf("%s: %v", what, err)
	}
	var walk func(at string, s *openapi3.Schema, v any)
	walk = func(at string, s *openapi3.Schema, v any) {
		switch v := v.(type) {
		case map[string]any:
			known := maps.Clone(s.Properties)
			if known == nil {
				known = openapi3.Schemas{}
			}
			for _, part := range s.AllOf {
				maps.Copy(known, part.Value.Properties)
			}
			any := s.AdditionalProperties.Schema
			for name, inner := range v {
				if k, ok := known[name]; ok {
					walk(at+"."+name, k.Value, inner)
				} else if any != nil {
					walk(at+"."+name, any.Value, inner)
				} else {
					t.Errorf("%s: %s.%s is not in the contract", what, at, name)
				}
			}
		case []any:
			for _, inner := range v {
				if s.Items != nil {
					walk(at+"[]", s.Items.Value, inner)
				}
			}
		}
	}
	walk("", schema, v)
}

func TestBadRequestsNameTheField(t *testing.T) {
	k := newKitchen(t, "")
	plan := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")[0]
	load := `"load":{"cut":"prawn","pieces":6,"pieceMassG":18}`
	stages := `"program":{"stages":[{"airC":200,"minutes":8}]}`
	for _, c := range []struct{ method, path, body, field, value string }{
		{"POST", "/simulations", `{"load":{"cut":"unicorn","pieces":6,"pieceMassG":18},` + stages + `}`, "load.cut", `"unicorn"`},
		{"POST", "/simulations", `{"load":{"cut":"prawn","pieces":0,"pieceMassG":18},` + stages + `}`, "load.pieces", "0"},
		{"POST", "/simulations", `{"load":{"cut":"prawn","pieces":6,"pieceMassG":-4},` + stages + `}`, "load.pieceMassG", "-4"},
		{"POST", "/simulations", `{"load":{"cut":"prawn","pieces":"six","pieceMassG":4},` + stages + `}`, "load.pieces", `"six"`},
		{"POST", "/simulations", `{` + load + `,"program":{"stages":[]}}`, "program.stages", "0 stages"},
		{"POST", "/simulations", `{` + load + `}`, "program", "missing"},
		{"POST", "/simulations", `{` + load + `,"program":{"stages":[{"airC":2000,"minutes":8}]}}`, "program.stages[0].airC", "2000"},
		{"POST", "/simulations", `{` + load + `,` + stages + `,"sauce":1}`, "sauce", "unknown field"},
		{"POST", "/simulations", `{` + load + `,` + stages + `,"guidance":"stricter","guidanceC":50}`, "guidanceC", "50"},
		{"PATCH", "/settings", `{"temperature":"K"}`, "temperature", `"K"`},
		{"PATCH", "/settings", `{"guidance":"stricter","guidanceC":60}`, "guidanceC", "60"},
		{"PUT", "/plans/" + plan.Id, `{"name":"  ","fryerId":"` + plan.FryerId + `",` + load + `,"coat":{"id":"bare"},` + stages + `}`, "name", "blank"},
		{"POST", "/plans", `{"name":"x","fryerId":"none",` + load + `,"coat":{"id":"bare"},` + stages + `}`, "fryerId", "none"},
		{"POST", "/plans", `{"name":"x","fryerId":"` + plan.FryerId + `",` + load + `,"coat":{"id":"tar"},` + stages + `}`, "coat.id", `"tar"`},
		{"POST", "/plans", `{"name":"x","fryerId":"` + plan.FryerId + `",` + load + `,"coat":{"id":"bare"},` + stages + `,"bench":{"drying":{"school":"rack","hours":600},"coating":{}}}`, "bench.drying.hours", "600"},
		{"PUT", "/plans/" + plan.Id, `{"name":"x","fryerId":"` + plan.FryerId + `",` + load + `,"coat":{"id":"bare"},` + stages + `,"bench":{"drying":{},"coating":{},"marinade":{"hours":2,"items":[{"ingredient":"moonlight","g":5}]}}}`, "bench.marinade.items[0].ingredient", `"moonlight"`},
		{"PUT", "/fryers/" + plan.FryerId, `{"name":"x","kind":"drawer","basket":{"shape":"rectangle","widthMm":5,"depthMm":200},"powerW":1500,"airflow":1,"dialOffsetC":0,"dial":{"minC":80,"maxC":200,"stepC":5}}`, "fryer.basket.widthMm", "5"},
		{"PUT", "/fryers/" + plan.FryerId, `{"name":"x","kind":"drawer","basket":{"shape":"round","diameterMm":200},"powerW":9,"airflow":1,"dialOffsetC":0,"dial":{"minC":80,"maxC":200,"stepC":5}}`, "fryer.powerW", "9"},
	} {
		p := get[api.Problem](k, 422, c.method, "/api/v1"+c.path, c.body)
		found := false
		if p.Errors != nil {
			for _, e := range *p.Errors {
				found = found || e.Field == c.field && e.Value == c.value && e.Allowed != ""
			}
		}
		if !found {
			t.Errorf("%s %s %s: no %s = %s in %+v", c.method, c.path, c.body, c.field, c.value, p)
		}
	}
	if w := k.Send("POST", "/api/v1/simulations", "{"); w.Code < 400 || w.Code >= 500 {
		t.Errorf("half a brace: %d", w.Code)
	}
	if p := get[api.Problem](k, 404, "GET", "/api/v1/plans/none", ""); p.Title == "" {
		t.Error("a missing plan has no words")
	}
	if w := k.Send("GET", "/api/v1/nothing", ""); w.Code != 404 || w.Header().Get("Content-Type") != "application/problem+json" {
		t.Errorf("an unknown path: %d %s", w.Code, w.Header().Get("Content-Type"))
	}
}

func TestALostRaceSaysSoAndLosesNothing(t *testing.T) {
	k := newKitchen(t, "")
	plan := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")[0]
	body := func(name string) string {
		b, err := json.Marshal(api.PlanInput{Name: name, FryerId: plan.FryerId, Lots: &plan.Lots, Bench: &plan.Bench, Program: plan.Program})
		if err != nil {
			t.Fatal(err)
		}
		return string(b)
	}
	first := get[api.Plan](k, 200, "PUT", "/api/v1/plans/"+plan.Id, body("first"), "If-Match", `"1"`)
	if first.Version != 2 {
		t.Errorf("version %d after one change", first.Version)
	}
	get[api.Problem](k, 412, "PUT", "/api/v1/plans/"+plan.Id, body("second"), "If-Match", `"1"`)
	if now := get[api.Plan](k, 200, "GET", "/api/v1/plans/"+plan.Id, ""); now.Name != "first" {
		t.Errorf("the plan is called %q", now.Name)
	}
	get[api.Problem](k, 422, "PUT", "/api/v1/plans/"+plan.Id, body("third"), "If-Match", "new")
	get[struct{}](k, 204, "DELETE", "/api/v1/plans/"+plan.Id, "")
	get[api.Problem](k, 404, "GET", "/api/v1/plans/"+plan.Id, "")
	if back := get[api.Plan](k, 200, "POST", "/api/v1/plans/"+plan.Id+"/restore", ""); back.Name != "first" {
		t.Errorf("restored as %q", back.Name)
	}
}

func TestManners(t *testing.T) {
	k := newKitchen(t, "")
	w := k.Send("GET", "/plan/abc", "")
	policy := w.Header().Get("Content-Security-Policy")
	if w.Code != 200 || strings.Contains(w.Body.String(), "__CSP") || strings.Contains(policy, "unsafe") || !strings.Contains(policy, "nonce-") {
		t.Errorf("page: %d %s %s", w.Code, policy, w.Body)
	}
	if again := k.Send("GET", "/plan/abc", "").Header().Get("Content-Security-Policy"); again == policy {
		t.Error("the nonce is used twice")
	}
	if w := k.Send("GET", "/assets/missing.js", ""); w.Code != 404 {
		t.Errorf("a missing asset: %d", w.Code)
	}
	if w := k.Send("GET", "/assets/a-1.js", ""); w.Code != 200 || !strings.Contains(w.Header().Get("Cache-Control"), "immutable") {
		t.Errorf("an asset: %d %s", w.Code, w.Header().Get("Cache-Control"))
	}
	if w := k.Send("GET", "/healthz", ""); w.Code != 200 {
		t.Errorf("health: %d", w.Code)
	}
	if w := k.Send("POST", "/api/v1/simulations", `{}`, "Origin", "https://elsewhere.example", "Sec-Fetch-Site", "cross-site"); w.Code != 403 {
		t.Errorf("a request from another site: %d", w.Code)
	}
	r := httptest.NewRequest("GET", "http://rebound.example/api/v1/plans", nil)
	answer := httptest.NewRecorder()
	k.Handler.ServeHTTP(answer, r)
	if answer.Code != http.StatusMisdirectedRequest {
		t.Errorf("under another name: %d", answer.Code)
	}
	if w := k.Send("POST", "/api/v1/plans", `{"name":"`+strings.Repeat("x", 2<<20)+`"}`); w.Code < 400 || w.Code >= 500 {
		t.Errorf("two megabytes: %d", w.Code)
	}
}

func TestPassphrase(t *testing.T) {
	k := newKitchen(t, "lock gate")
	if w := k.Send("GET", "/healthz", ""); w.Code != 200 {
		t.Errorf("whoever watches over it is told %d", w.Code)
	}
	if w := k.Send("GET", "/api/v1/plans", ""); w.Code != 401 {
		t.Errorf("without it: %d", w.Code)
	}
	r := httptest.NewRequest("GET", "http://kitchen.example/api/v1/plans", nil)
	r.SetBasicAuth("cook", "lock gate")
	w := httptest.NewRecorder()
	k.Handler.ServeHTTP(w, r)
	if w.Code != 200 {
		t.Errorf("with it: %d", w.Code)
	}
}
