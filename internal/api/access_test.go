package api_test

import (
	"context"
	"net/http"
	"net/http/httptest"
	"net/url"
	"strings"
	"testing"
	"time"

	"velocrustum/internal/api"
)

func TestAPhoneIsLetInOnceAndTakenBack(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	look := func(cookies ...*http.Cookie) int {
		return k.FromLAN(httptest.NewRequest("GET", "/api/v1/plans", nil), cookies...).Code
	}
	if got := look(); got != 401 {
		t.Fatalf("a stranger on the network: %d", got)
	}
	typed := httptest.NewRequest("GET", "/api/v1/plans", nil)
	typed.SetBasicAuth("anyone", "wasabi-pea")
	if w := k.FromLAN(typed); w.Code != 200 {
		t.Errorf("with the passphrase: %d", w.Code)
	}
	// The machine itself is not asked.
	if w := k.Send("GET", "/api/v1/plans", ""); w.Code != 200 {
		t.Errorf("on the machine itself: %d", w.Code)
	}

	shown := get[struct {
		URL   string    `json:"url"`
		Until time.Time `json:"until"`
		Size  int       `json:"size"`
		Path  string    `json:"path"`
	}](k, 201, "POST", "/api/v1/access/codes", "")
	if !strings.HasPrefix(shown.URL, "http://192.168.1.20:8642/pair?code=") || shown.Size < 21 || strings.Count(shown.Path, "M") < 100 {
		t.Fatalf("the code: %+v", shown)
	}
	to, err := url.Parse(shown.URL)
	if err != nil {
		t.Fatal(err)
	}
	pair := func(code string) *httptest.ResponseRecorder {
		form := url.Values{"code": {code}, "name": {"Hob\u0000 phone"}}
		r := httptest.NewRequest("POST", "/pair", strings.NewReader(form.Encode()))
		r.Header.Set("Content-Type", "application/x-www-form-urlencoded")
		return k.FromLAN(r)
	}
	// To look at it spends nothing.
	for range 2 {
		if w := k.FromLAN(httptest.NewRequest("GET", to.RequestURI(), nil)); w.Code != 200 || !strings.Contains(w.Body.String(), to.Query().Get("code")) {
			t.Fatalf("the page of a scanned code: %d %s", w.Code, w.Body)
		}
	}
	w := pair(to.Query().Get("code"))
	cookies := w.Result().Cookies()
	if w.Code != http.StatusSeeOther || len(cookies) != 1 || !cookies[0].HttpOnly || cookies[0].SameSite != http.SameSiteStrictMode {
		t.Fatalf("let in: %d %v", w.Code, cookies)
	}
	if again := pair(to.Query().Get("code")); again.Code != 403 || len(again.Result().Cookies()) != 0 {
		t.Errorf("the same code again: %d", again.Code)
	}
	if got := look(cookies[0]); got != 200 {
		t.Errorf("the phone that was let in: %d", got)
	}
	if got := look(&http.Cookie{Name: cookies[0].Name, Value: "guess"}); got != 401 {
		t.Errorf("a guessed token: %d", got)
	}

	type access struct {
		URL     string `json:"url"`
		Devices []struct{ ID, Name string }
	}
	in := get[access](k, 200, "GET", "/api/v1/access", "")
	if in.URL != "http://192.168.1.20:8642" || len(in.Devices) != 1 || in.Devices[0].Name != "Hob phone" {
		t.Fatalf("who is in: %+v", in)
	}
	get[struct{}](k, 204, "DELETE", "/api/v1/access/devices/"+in.Devices[0].ID, "")
	if got := look(cookies[0]); got != 401 {
		t.Errorf("the phone that was taken back: %d", got)
	}

	late := get[struct{ URL string }](k, 201, "POST", "/api/v1/access/codes", "").URL
	k.Wait(11 * time.Minute)
	if w := pair(late[strings.Index(late, "code=")+5:]); w.Code != 403 {
		t.Errorf("a code of eleven minutes ago: %d", w.Code)
	}
}

func TestTheDemonstrationLeavesNoTrace(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	own := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")
	for _, p := range own {
		get[struct{}](k, 204, "DELETE", "/api/v1/plans/"+p.Id, "")
	}
	there := func() []api.Plan { return get[[]api.Plan](k, 200, "GET", "/demo/api/v1/plans", "") }
	shown := there()
	if len(shown) != len(own) {
		t.Fatalf("%d dishes are shown", len(shown))
	}
	get[struct{}](k, 204, "DELETE", "/demo/api/v1/plans/"+shown[0].Id, "")
	if now := there(); len(now) != len(own)-1 {
		t.Errorf("%d after one was put aside", len(now))
	}
	if page := k.Send("GET", "/demo/plan", ""); page.Code != 200 || !strings.Contains(page.Body.String(), `href="/demo/api/v1/plans"`) || !strings.Contains(page.Body.String(), `href="/assets/plan-2.js"`) {
		t.Errorf("its page: %d %s", page.Code, page.Body)
	}
	if mine := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", ""); len(mine) != 0 {
		t.Errorf("%d dishes came over", len(mine))
	}
	if w := k.Send("DELETE", "/demo", ""); w.Code != 204 {
		t.Errorf("left: %d", w.Code)
	}
	if now := there(); len(now) != len(own) {
		t.Errorf("%d dishes the next time", len(now))
	}
}

// What only its own pages ask for is refused to others; what is served says so.
func TestOtherPagesAskInVain(t *testing.T) {
	k := newKitchen(t, "")
	ask := func(path, header, value string) *httptest.ResponseRecorder {
		r := httptest.NewRequest("GET", "http://localhost"+path, nil)
		r.Header.Set(header, value)
		w := httptest.NewRecorder()
		k.Handler.ServeHTTP(w, r)
		return w
	}
	for _, path := range []string{"/api/v1/archive", "/api/v1/logbook", "/api/v1/plans", "/demo/api/v1/plans"} {
		if w := ask(path, "Sec-Fetch-Site", "cross-site"); w.Code != 403 {
			t.Errorf("%s for another page: %d", path, w.Code)
		}
	}
	if w := ask("/plan", "Sec-Fetch-Site", "cross-site"); w.Code != 200 {
		t.Errorf("a link from elsewhere: %d", w.Code)
	}
	for _, path := range []string{"/api/v1/plans", "/plan", "/healthz", "/api/v1/nothing"} {
		w := ask(path, "Sec-Fetch-Site", "same-origin")
		if w.Header().Get("X-Content-Type-Options") != "nosniff" || w.Header().Get("Cross-Origin-Resource-Policy") != "same-origin" {
			t.Errorf("%s is served with %v", path, w.Header())
		}
	}
}

// Behind a proxy, which hides who asks, a passphrase is wanted.
func TestBehindAProxy(t *testing.T) {
	for passphrase, want := range map[string]int{"": 403, "three lock gates": 401} {
		k := newKitchen(t, passphrase)
		for _, header := range []string{"X-Forwarded-For", "Forwarded", "Via"} {
			r := httptest.NewRequest("GET", "http://localhost/api/v1/plans", nil)
			r.Header.Set(header, "203.0.113.9")
			w := httptest.NewRecorder()
			k.Handler.ServeHTTP(w, r)
			if w.Code != want {
				t.Errorf("with %q and %s: %d, want %d", passphrase, header, w.Code, want)
			}
		}
	}
}

// Who hangs up waits no less: each guess has its turn, and the right one after them.
func TestGuessesHaveTheirTurn(t *testing.T) {
	k := newKitchen(t, "three lock gates")
	try := func(passphrase string, patience time.Duration, cookies ...*http.Cookie) *httptest.ResponseRecorder {
		ctx, cancel := context.WithTimeout(t.Context(), patience)
		defer cancel()
		r := httptest.NewRequestWithContext(ctx, "GET", "http://kitchen.example/api/v1/settings", nil)
		r.SetBasicAuth("cook", passphrase)
		for _, c := range cookies {
			r.AddCookie(c)
		}
		w := httptest.NewRecorder()
		k.Handler.ServeHTTP(w, r)
		return w
	}
	began := time.Now()
	for range 4 {
		if w := try("a guess", time.Millisecond); w.Code == 200 {
			t.Fatal("a guess is let in")
		}
	}
	right := try("three lock gates", time.Minute)
	if took := time.Since(began); right.Code != 200 || took < 1500*time.Millisecond {
		t.Errorf("the right one after four that hung up: %d after %s", right.Code, took)
	}
	// Who has said it is not held up by those who guess.
	seat := right.Result().Cookies()
	for range 30 {
		try("a guess", time.Millisecond)
	}
	if w := try("three lock gates", time.Minute); w.Code != 429 || w.Header().Get("Retry-After") == "" {
		t.Errorf("behind thirty guesses: %d", w.Code)
	}
	if w := try("three lock gates", time.Minute, seat...); w.Code != 200 {
		t.Errorf("who has said it before: %d", w.Code)
	}
	if w := try("a guess", time.Minute, seat...); w.Code != 401 {
		t.Errorf("a seat without the passphrase: %d", w.Code)
	}
}

// A phone that is taken back hears no more, also on a stream that is open.
func TestATakenBackPhoneHearsNoMore(t *testing.T) {
	k := newKitchen(t, "")
	cookies := k.LetIn("")
	over := make(chan int)
	go func() {
		over <- k.FromLAN(httptest.NewRequestWithContext(t.Context(), "GET", "/api/v1/live/stream", nil), cookies...).Code
	}()
	in := get[struct{ Devices []struct{ ID string } }](k, 200, "GET", "/api/v1/access", "")
	select {
	case code := <-over:
		t.Fatalf("it ends by itself with %d", code)
	case <-time.After(200 * time.Millisecond):
	}
	get[struct{}](k, 204, "DELETE", "/api/v1/access/devices/"+in.Devices[0].ID, "")
	select {
	case <-over:
	case <-time.After(time.Minute):
		t.Error("it goes on hearing")
	}
}

// A name that holds what no eye sees is refused by its field, and nothing is kept.
func TestNamesAreSeen(t *testing.T) {
	k := newKitchen(t, "")
	for _, name := range []string{`a\u0000b`, `car\rriage`, `\u001b[31m`, `left \u202e right`} {
		p := get[api.Problem](k, 422, "POST", "/api/v1/fryers", `{"name": "`+name+`", "kind": "drawer", "powerW": 1500}`)
		if p.Errors == nil || len(*p.Errors) != 1 || (*p.Errors)[0].Field != "name" {
			t.Errorf("%s: %+v", name, p)
		}
	}
}

// A guest's phone follows the cook and says what is done in it; the household is none
// of its business.
func TestAGuestFollowsTheCook(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	cookies := k.LetIn("?guest=true")
	plan := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")[0]
	c := get[api.Cook](k, 201, "POST", "/api/v1/cooks", `{"planId":"`+plan.Id+`"}`)
	ask := func(method, path, body string) int {
		r := httptest.NewRequest(method, path, strings.NewReader(body))
		r.Header.Set("Content-Type", "application/json")
		return k.FromLAN(r, cookies...).Code
	}
	for _, q := range [][3]string{
		{"GET", "/cook", ""}, {"GET", "/api/v1/cooks/live", ""}, {"GET", "/api/v1/cooks/" + c.Id, ""}, {"GET", "/api/v1/cooks/" + c.Id + "/ahead", ""},
		{"GET", "/api/v1/settings", ""}, {"GET", "/api/v1/catalog", ""}, {"POST", "/api/v1/cooks/" + c.Id + "/events", `{"kind":"loaded"}`},
	} {
		if got := ask(q[0], q[1], q[2]); got/100 != 2 {
			t.Errorf("%s %s: %d", q[0], q[1], got)
		}
	}
	for _, q := range [][3]string{
		{"GET", "/api/v1/cooks", ""}, {"GET", "/api/v1/archive", ""}, {"GET", "/api/v1/logbook", ""}, {"GET", "/api/v1/access", ""}, {"GET", "/demo/api/v1/plans", ""},
		{"POST", "/api/v1/access/codes", ""}, {"POST", "/api/v1/plans", `{}`}, {"DELETE", "/api/v1/plans/" + plan.Id, ""}, {"DELETE", "/api/v1/cooks/" + c.Id, ""},
		{"POST", "/api/v1/cooks", `{"planId":"` + plan.Id + `"}`}, {"PATCH", "/api/v1/settings", `{"mass":"oz"}`}, {"GET", "/api/v1/cooks/" + c.Id + "/tables/events", ""},
		{"PUT", "/api/v1/cooks/" + c.Id + "/outcome", `{}`}, {"POST", "/api/v1/simulations", `{}`},
	} {
		if got := ask(q[0], q[1], q[2]); got != 403 {
			t.Errorf("%s %s: %d, want 403", q[0], q[1], got)
		}
	}
	in := get[struct{ Devices []struct{ Guest bool } }](k, 200, "GET", "/api/v1/access", "")
	if len(in.Devices) != 1 || !in.Devices[0].Guest {
		t.Errorf("%+v", in)
	}
}
