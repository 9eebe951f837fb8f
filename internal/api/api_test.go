package api_test

import (
	"bytes"
	"context"
	"encoding/json"
	"io"
	"log/slog"
	"maps"
	"net/http"
	"net/http/httptest"
	"os"
	"path/filepath"
	"strings"
	"sync"
	"testing"
	"testing/fstest"
	"time"

	"github.com/getkin/kin-openapi/openapi3"
	"github.com/getkin/kin-openapi/openapi3filter"
	"github.com/getkin/kin-openapi/routers/gorillamux"

	"velocrustum/internal/api"
	"velocrustum/internal/clock"
	"velocrustum/internal/demo"
	"velocrustum/internal/store"
)

// kitchen is a server over a fresh demo household with a clock that the
// test moves.
type kitchen struct {
	t       testing.TB
	handler *api.App
	mu      sync.Mutex
	now     time.Time
	passed  time.Duration
}

var opened = time.Date(2026, 11, 20, 18, 0, 0, 0, time.UTC)

// household is the demo household's files, filled once for all kitchens, by
// what follows the database's name.
var household = sync.OnceValues(func() (map[string][]byte, error) {
	dir, err := os.MkdirTemp("", "velocrustum-")
	if err != nil {
		return nil, err
	}
	defer os.RemoveAll(dir)
	ctx := context.Background()
	st, err := store.Open(ctx, filepath.Join(dir, "filled.db"), func() time.Time { return opened })
	if err != nil {
		return nil, err
	}
	defer st.Close()
	if err := demo.Fill(ctx, st, opened); err != nil {
		return nil, err
	}
	copied := filepath.Join(dir, "copy.db")
	if err := st.Backup(ctx, copied); err != nil {
		return nil, err
	}
	files := map[string][]byte{}
	pictures, err := filepath.Glob(copied + ".pictures/*")
	for _, path := range append(pictures, copied) {
		if err == nil {
			files[strings.TrimPrefix(path, copied)], err = os.ReadFile(path)
		}
	}
	return files, err
})

// nothingKept is a database of which nothing is kept yet, made once.
var nothingKept = sync.OnceValues(func() ([]byte, error) {
	dir, err := os.MkdirTemp("", "velocrustum-")
	if err != nil {
		return nil, err
	}
	defer os.RemoveAll(dir)
	path := filepath.Join(dir, "empty.db")
	st, err := store.Open(context.Background(), path, func() time.Time { return opened })
	if err != nil {
		return nil, err
	}
	if err := st.Close(); err != nil {
		return nil, err
	}
	return os.ReadFile(path)
})

// openEmpty opens a copy of it.
func openEmpty(ctx context.Context, path string, now func() time.Time) (*store.Store, error) {
	empty, err := nothingKept()
	if err != nil {
		return nil, err
	}
	if err := os.WriteFile(path, empty, 0o600); err != nil {
		return nil, err
	}
	return store.Open(ctx, path, now)
}

// openFilled opens a copy of the demo household.
func openFilled(ctx context.Context, path string, now func() time.Time) (*store.Store, error) {
	filled, err := household()
	if err != nil {
		return nil, err
	}
	if err := os.MkdirAll(path+".pictures", 0o700); err != nil {
		return nil, err
	}
	for suffix, b := range filled {
		if err := os.WriteFile(path+suffix, b, 0o600); err != nil {
			return nil, err
		}
	}
	return store.Open(ctx, path, now)
}

func newKitchen(t testing.TB, passphrase string) *kitchen {
	t.Helper()
	return kitchenOver(t, passphrase, openFilled)
}

// emptyKitchen is one of which nothing is kept yet.
func emptyKitchen(t testing.TB) *kitchen {
	t.Helper()
	return kitchenOver(t, "", openEmpty)
}

func kitchenOver(t testing.TB, passphrase string, open func(context.Context, string, func() time.Time) (*store.Store, error)) *kitchen {
	t.Helper()
	k := &kitchen{t: t, now: opened}
	st, err := open(t.Context(), filepath.Join(t.TempDir(), "kitchen.db"), k.clock)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = st.Close() })
	files := fstest.MapFS{
		"index.html":      {Data: []byte(`<html><head><meta nonce="__CSP_NONCE__"><script nonce="__CSP_NONCE__"></script></head></html>`)},
		"manifest.json":   {Data: []byte(`{"src/plan/PlanPage.tsx": {"file": "assets/plan-2.js", "imports": ["_a"]}, "_a": {"file": "assets/a-1.js", "imports": ["_a"]}}`)},
		"assets/a-1.js":   {Data: []byte("1")},
		"favicon-32.webp": {Data: []byte("x")},
	}
	k.handler, err = api.NewHandler(st, api.Options{Files: files, Clock: clock.New(k.clock, k.count), Passphrase: passphrase,
		LAN: &api.LAN{URL: "http://192.168.1.20:8642", Passphrase: "wasabi-pea"},
		Demo: func(ctx context.Context) (*store.Store, func(), error) {
			st, err := openFilled(ctx, filepath.Join(t.TempDir(), "demo.db"), k.clock)
			return st, func() { _ = st.Close() }, err
		},
		Longest: time.Hour, // of a busy machine too
		Log:     slog.New(slog.DiscardHandler)})
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(k.handler.Close)
	return k
}

func (k *kitchen) clock() time.Time {
	k.mu.Lock()
	defer k.mu.Unlock()
	return k.now
}

func (k *kitchen) wait(d time.Duration) {
	k.mu.Lock()
	defer k.mu.Unlock()
	k.now, k.passed = k.now.Add(d), k.passed+d
}

// set sets the computer's clock on or back.
func (k *kitchen) set(d time.Duration) {
	k.mu.Lock()
	defer k.mu.Unlock()
	k.now = k.now.Add(d)
}

func (k *kitchen) count() time.Duration {
	k.mu.Lock()
	defer k.mu.Unlock()
	return k.passed
}

// send sends one request and returns the answer. The answer's body is
// checked against the contract.
func (k *kitchen) send(method, path, body string, header ...string) *httptest.ResponseRecorder {
	k.t.Helper()
	r := httptest.NewRequest(method, "http://localhost"+path, strings.NewReader(body))
	if body != "" {
		r.Header.Set("Content-Type", "application/json")
	}
	for i := 0; i+1 < len(header); i += 2 {
		r.Header.Set(header[i], header[i+1])
	}
	w := httptest.NewRecorder()
	k.handler.ServeHTTP(w, r)
	return w
}

// get sends and decodes into T, and fails unless the status is as wanted.
func get[T any](k *kitchen, status int, method, path, body string, header ...string) (out T) {
	k.t.Helper()
	w := k.send(method, path, body, header...)
	if w.Code != status {
		k.t.Fatalf("%s %s: %d %s, want %d", method, path, w.Code, w.Body, status)
	}
	if w.Body.Len() > 0 {
		if err := json.Unmarshal(w.Body.Bytes(), &out); err != nil {
			k.t.Fatalf("%s %s: %v in %s", method, path, err, w.Body)
		}
	}
	return out
}

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
		w := k.send(c.method, c.path, c.body)
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
	w := k.send("POST", "/api/v1/recommendations", simulation)
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
		{"PUT", "/plans/" + plan.Id, `{"name":"x","fryerId":"` + plan.FryerId + `",` + load + `,"coat":{"id":"bare"},` + stages + `,"bench":{"drying":{},"coating":{},"marinade":{"hours":2,"items":[{"ingredient":"moonlight","g":5}]}}}`, "bench.marinade.items.ingredient", `"moonlight"`},
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
	if w := k.send("POST", "/api/v1/simulations", "{"); w.Code < 400 || w.Code >= 500 {
		t.Errorf("half a brace: %d", w.Code)
	}
	if p := get[api.Problem](k, 404, "GET", "/api/v1/plans/none", ""); p.Title == "" {
		t.Error("a missing plan has no words")
	}
	if w := k.send("GET", "/api/v1/nothing", ""); w.Code != 404 || w.Header().Get("Content-Type") != "application/problem+json" {
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
	w := k.send("GET", "/plan/abc", "")
	policy := w.Header().Get("Content-Security-Policy")
	if w.Code != 200 || strings.Contains(w.Body.String(), "__CSP") || strings.Contains(policy, "unsafe") || !strings.Contains(policy, "nonce-") {
		t.Errorf("page: %d %s %s", w.Code, policy, w.Body)
	}
	if again := k.send("GET", "/plan/abc", "").Header().Get("Content-Security-Policy"); again == policy {
		t.Error("the nonce is used twice")
	}
	if w := k.send("GET", "/assets/missing.js", ""); w.Code != 404 {
		t.Errorf("a missing asset: %d", w.Code)
	}
	if w := k.send("GET", "/assets/a-1.js", ""); w.Code != 200 || !strings.Contains(w.Header().Get("Cache-Control"), "immutable") {
		t.Errorf("an asset: %d %s", w.Code, w.Header().Get("Cache-Control"))
	}
	if w := k.send("GET", "/healthz", ""); w.Code != 200 {
		t.Errorf("health: %d", w.Code)
	}
	if w := k.send("POST", "/api/v1/simulations", `{}`, "Origin", "https://elsewhere.example", "Sec-Fetch-Site", "cross-site"); w.Code != 403 {
		t.Errorf("a request from another site: %d", w.Code)
	}
	r := httptest.NewRequest("GET", "http://rebound.example/api/v1/plans", nil)
	answer := httptest.NewRecorder()
	k.handler.ServeHTTP(answer, r)
	if answer.Code != http.StatusMisdirectedRequest {
		t.Errorf("under another name: %d", answer.Code)
	}
	if w := k.send("POST", "/api/v1/plans", `{"name":"`+strings.Repeat("x", 2<<20)+`"}`); w.Code < 400 || w.Code >= 500 {
		t.Errorf("two megabytes: %d", w.Code)
	}
}

func TestPassphrase(t *testing.T) {
	k := newKitchen(t, "lock gate")
	if w := k.send("GET", "/healthz", ""); w.Code != 200 {
		t.Errorf("whoever watches over it is told %d", w.Code)
	}
	if w := k.send("GET", "/api/v1/plans", ""); w.Code != 401 {
		t.Errorf("without it: %d", w.Code)
	}
	r := httptest.NewRequest("GET", "http://kitchen.example/api/v1/plans", nil)
	r.SetBasicAuth("cook", "lock gate")
	w := httptest.NewRecorder()
	k.handler.ServeHTTP(w, r)
	if w.Code != 200 {
		t.Errorf("with it: %d", w.Code)
	}
}
