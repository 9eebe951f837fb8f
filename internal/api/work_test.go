package api_test

import (
	"context"
	"net/http"
	"net/http/httptest"
	"strings"
	"sync"
	"testing"

	"velocrustum/internal/api"
)

// Of many dear requests at once a few are worked on, a few wait, and the rest
// are told to come again; a live cook and the sign of life do not wait for
// them.
func TestManyDearRequestsAtOnceLeaveTheCookItsPlace(t *testing.T) {
	k := newKitchen(t, "")
	plan := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")[0]
	cook := get[api.Cook](k, 201, "POST", "/api/v1/cooks", `{"planId":"`+plan.Id+`"}`)
	ctx, stop := context.WithCancel(t.Context())
	codes := make(chan *httptest.ResponseRecorder, 100)
	var all sync.WaitGroup
	for range cap(codes) {
		all.Go(func() {
			w := httptest.NewRecorder()
			r := httptest.NewRequestWithContext(ctx, "POST", "http://localhost/api/v1/recommendations", strings.NewReader(wings))
			r.Header.Set("Content-Type", "application/json")
			k.Handler.ServeHTTP(w, r)
			codes <- w
		})
	}
	// That it is answered while some still search says that it did not wait for them.
	searching := func(what string) {
		t.Helper()
		if len(codes) == cap(codes) {
			t.Errorf("%s was answered after all searches", what)
		}
	}
	if w := k.Send("GET", "/healthz", ""); w.Code != http.StatusOK {
		t.Errorf("the sign of life is %d", w.Code)
	}
	searching("the sign of life")
	get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+cook.Id+"/events", `{"kind":"loaded"}`)
	searching("an event")
	stop()
	all.Wait()
	close(codes)
	busy := 0
	for w := range codes {
		if w.Code != http.StatusServiceUnavailable {
			continue
		}
		if busy++; w.Header().Get("Retry-After") == "" || !strings.Contains(w.Body.String(), "busy") {
			t.Errorf("busy without a time to come again: %v %s", w.Header(), w.Body)
		}
	}
	if busy == 0 {
		t.Error("a hundred searches found a place at once")
	}
}

// What fifty devices say at once is all kept, and foretold for all in a few
// forecasts.
func TestFiftySayingsAreForetoldTogether(t *testing.T) {
	k := newKitchen(t, "")
	plan := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")[0]
	cook := get[api.Cook](k, 201, "POST", "/api/v1/cooks", `{"planId":"`+plan.Id+`"}`)
	get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+cook.Id+"/events", `{"kind":"loaded"}`)
	var all sync.WaitGroup
	said := 50
	if testing.Short() {
		said = 12 // as many as meet
	}
	for range said {
		all.Go(func() {
			if w := k.Send("POST", "/api/v1/cooks/"+cook.Id+"/events", `{"kind":"probe","value":41}`); w.Code != http.StatusOK {
				t.Errorf("%d %s", w.Code, w.Body)
			}
		})
	}
	all.Wait()
	if n := k.Handler.Worked(); n > said/2 {
		t.Errorf("%d that were said at once were foretold %d times", said, n)
	}
	if got := get[api.Cook](k, 200, "GET", "/api/v1/cooks/"+cook.Id, ""); len(got.Events) != said+1 || got.Forecast.Verdict.Figure == "" {
		t.Errorf("%d of %d events", len(got.Events), said+1)
	}
}

func TestBodiesAreOneWholeValue(t *testing.T) {
	k := newKitchen(t, "")
	for _, c := range []struct {
		what, kind, body string
		code             int
		says             string
	}{
		{"as it should be", "application/json; charset=utf-8", wings, 200, ""},
		{"text after it", "application/json", wings + " {}", 422, "nothing after it"},
		{"half of it", "application/json", wings[:40], 422, "nothing after it"},
		{"a field twice", "application/json", strings.Replace(wings, `"pieces": 12`, `"pieces": 12, "pieces": 3`, 1), 422, "load.pieces"},
		{"the same name in two objects", "application/json", strings.Replace(wings, `"oilG": 4`, `"oilG": 4`, 1), 200, ""},
		{"another kind", "text/plain", wings, 415, "JSON"},
		{"too much", "application/json", `{"load": "` + strings.Repeat("x", 2<<20) + `"}`, 413, "too much"},
	} {
		w := httptest.NewRecorder()
		r := httptest.NewRequestWithContext(t.Context(), "POST", "http://localhost/api/v1/simulations?chance=false", strings.NewReader(c.body))
		r.Header.Set("Content-Type", c.kind)
		k.Handler.ServeHTTP(w, r)
		if w.Code != c.code || !strings.Contains(w.Body.String(), c.says) || c.code != 200 && w.Header().Get("Content-Type") != "application/problem+json" {
			t.Errorf("%s: %d %.200s", c.what, w.Code, w.Body)
		}
	}
	if w := k.Send("POST", "/logbook", ""); w.Code != 405 || w.Header().Get("Content-Type") != "application/problem+json" {
		t.Errorf("posted to a page: %d %s", w.Code, w.Body)
	}
}
