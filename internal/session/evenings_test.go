package session_test

import (
	"bufio"
	"context"
	"encoding/json"
	"fmt"
	"maps"
	"net/http"
	"net/http/httptest"
	"slices"
	"strings"
	"testing"
	"time"

	"velocrustum/core/load/loadtest"
	"velocrustum/core/sheet"
	"velocrustum/internal/api"
	"velocrustum/internal/store"
)

func TestASupperFromBenchToTable(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	e := begun(t, k)
	if e.Course.LateMin > 0 || len(e.Course.Now) != 1 || len(e.Baskets) < 3 || e.Hands != 1 {
		t.Fatalf("begins with %+v", e.Course)
	}
	get[api.Problem](k, 409, "POST", "/api/v1/evenings", fmt.Sprintf(`{"supperId": %q}`, *e.SupperId))
	plan := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")[0]
	get[api.Problem](k, 409, "POST", "/api/v1/cooks", `{"planId":"`+plan.Id+`"}`)
	live := get[api.GetLiveCook200JSONResponse](k, 200, "GET", "/api/v1/cooks/live", "")
	if live.Cook != nil || live.Evening == nil || live.Evening.Id != e.Id {
		t.Fatalf("going on: %+v", live)
	}
	if again := get[api.GetLiveCook200JSONResponse](k, 200, "GET", "/api/v1/cooks/live?known="+live.Mark, ""); again.Evening != nil {
		t.Error("said again though nothing is new")
	}
	e = until(k, e, "table")
	if late := e.Course.LateMin; late > 3 {
		t.Errorf("all as asked, and %g min late: %s", late, e.Course.Says)
	}
	e = tap(k, e)
	if !e.Course.Over || e.FinishedAt == nil {
		t.Fatalf("on the table it goes on: %+v", e.Course)
	}
	// Each basket is in the logbook, by itself and as one of the supper's.
	for _, b := range e.Baskets {
		if b.Plate == nil || !strings.HasPrefix(*b.Plate, "On the plate by forecast: crust ") {
			t.Errorf("%s: %v", b.Name, b.Plate)
		}
	}
	cooked := 0
	for _, c := range get[[]api.CookSummary](k, 200, "GET", "/api/v1/cooks", "") {
		if c.Evening != nil && *c.Evening == "Card night" && *c.EveningId == e.Id {
			cooked++
			if c.Live || c.ActualMin == nil || *c.ActualMin < 5 {
				t.Errorf("in the logbook: %+v", c)
			}
		}
	}
	if cooked != len(e.Baskets) {
		t.Errorf("%d of %d baskets in the logbook", cooked, len(e.Baskets))
	}
	// Taken back it goes on, and is over again.
	last := e.Said[len(e.Said)-1]
	e = get[api.LiveEvening](k, 200, "DELETE", "/api/v1/evenings/"+e.Id+"/events/"+last.Id, "")
	if e.Course.Over || e.FinishedAt != nil {
		t.Error("taken back, it is still over")
	}
	if e = tap(k, e); !e.Course.Over {
		t.Error("not over again")
	}
}

func TestASupperGivenUpLeavesWhatWasCooked(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	e := begun(t, k)
	e = oneOut(k, e)
	in := 0
	for _, b := range e.Baskets {
		if b.LoadedAt != nil {
			in++
		}
	}
	before := len(get[[]api.CookSummary](k, 200, "GET", "/api/v1/cooks", ""))
	e = get[api.LiveEvening](k, 200, "POST", "/api/v1/evenings/"+e.Id+"/events", `{"kind": "giveup"}`)
	if !e.Course.Over {
		t.Error("given up it goes on")
	}
	after := len(get[[]api.CookSummary](k, 200, "GET", "/api/v1/cooks", ""))
	if in == 0 || in == len(e.Baskets) || after-before > in || after < before {
		t.Errorf("%d baskets of %d were in; the logbook has %d more", in, len(e.Baskets), after-before)
	}
	// Undone, all of its baskets are there again.
	back := get[api.LiveEvening](k, 200, "DELETE", "/api/v1/evenings/"+e.Id+"/events/"+e.Said[len(e.Said)-1].Id, "")
	if back.Course.Over || len(back.Baskets) != len(e.Baskets) {
		t.Errorf("undone: over %v, %d baskets of %d", back.Course.Over, len(back.Baskets), len(e.Baskets))
	}
}

func TestEvidenceMovesTheSupper(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	e := begun(t, k)
	// Up to the last minutes of the first basket that comes out.
	var b api.LiveBasket
	for range 300 {
		i := slices.IndexFunc(e.Baskets, func(b api.LiveBasket) bool {
			return b.LoadedAt != nil && b.OutAt == nil && b.EndMin-k.Clock().Sub(*b.LoadedAt).Minutes() < 0.6 && b.Judged == "bone"
		})
		if i >= 0 {
			b = e.Baskets[i]
			break
		}
		if d := e.Course.Now[0]; d.Until.After(k.Clock()) {
			k.Wait(30 * time.Second)
			e = get[api.LiveEvening](k, 200, "GET", "/api/v1/evenings/"+e.Id, "")
		} else {
			e = tap(k, e)
		}
	}
	if b.Key == "" {
		t.Fatal("no basket of wings")
	}
	say := func(body string) api.LiveEvening {
		t.Helper()
		get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+b.CookId+"/events", body)
		return get[api.LiveEvening](k, 200, "GET", "/api/v1/evenings/"+e.Id, "")
	}
	find := func(e api.LiveEvening) api.LiveBasket {
		return e.Baskets[slices.IndexFunc(e.Baskets, func(o api.LiveBasket) bool { return o.Key == b.Key })]
	}
	before := e.Course.ServeAt
	e = say(`{"kind": "probe", "value": 52, "id": "reading-one"}`)
	e = say(`{"kind": "probe", "value": 53}`)
	got := find(e)
	if got.Foreseen == nil || got.Foreseen.MoreMin == nil || *got.Foreseen.MoreMin < 2 || got.Asks == nil || got.Asks.Until != nil || !strings.Contains(got.Asks.Says, "53 °C") {
		t.Errorf("read 53 °C: %+v, asks %+v", got.Foreseen, got.Asks)
	}
	if !e.Course.ServeAt.After(before) || e.Course.LateMin < 1 || got.Costs == nil || !strings.Contains(*got.Costs, "the table") {
		t.Errorf("the table stays at %s: %s; %v", e.Course.ServeAt, e.Course.Says, got.Costs)
	}
	e = say(`{"kind": "more", "value": 4}`)
	if find(e).EndMin != b.EndMin+4 {
		t.Errorf("four more: %g, was %g", find(e).EndMin, b.EndMin)
	}
	e = say(`{"kind": "look", "value": 0}`)
	if find(e).Changed == nil || *find(e).Changed == "" {
		t.Error("a look changes nothing that is said")
	}
	for _, said := range e.Said[len(e.Said)-4:] {
		get[api.Cook](k, 200, "DELETE", "/api/v1/cooks/"+b.CookId+"/events/"+said.Id, "")
	}
	e = get[api.LiveEvening](k, 200, "GET", "/api/v1/evenings/"+e.Id, "")
	if find(e).Foreseen != nil || find(e).EndMin != b.EndMin || e.Course.ServeAt.Sub(before).Minutes() > 0.6 {
		t.Errorf("all taken back: %+v, table %s, was %s", find(e), e.Course.ServeAt, before)
	}
	e = say(fmt.Sprintf(`{"kind": "probe", "value": %.1f}`, *b.CoreC-3))
	say(fmt.Sprintf(`{"kind": "probe", "value": %.1f}`, *b.CoreC-2))
	// What was seen is drawn with its band; each thing can be taken back.
	ahead := get[api.CookAhead](k, 200, "GET", "/api/v1/cooks/"+b.CookId+"/ahead", "")
	if len(ahead.Readings) != 2 || len(ahead.Now.Band) < 15 || len(ahead.Before.Band) < 15 {
		t.Fatalf("ahead: %+v", ahead.Readings)
	}
	at := ahead.Now.Band[int(ahead.Readings[0].Minute)]
	was := ahead.Before.Band[int(ahead.Readings[0].Minute)]
	if at.HighC-at.LowC >= was.HighC-was.LowC {
		t.Errorf("two readings leave the band at %.1f K, it was %.1f", at.HighC-at.LowC, was.HighC-was.LowC)
	}
}

// A clock that is put back is told of and not believed; what is forgotten in a
// fryer goes on, and it is said what that does; what a device says ten minutes
// late counts when it was tapped, and once.
func TestAnEveningGoesOnByItsOwnCount(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	e := begun(t, k)
	first := e.Baskets[0].Key
	for _, b := range e.Baskets {
		if b.Judged == "bone" && b.Basket == 1 {
			first = b.Key
		}
	}
	e = until(k, e, first+"/due1")
	live := func() api.GetLiveCook200JSONResponse {
		return get[api.GetLiveCook200JSONResponse](k, 200, "GET", "/api/v1/cooks/live", "")
	}
	basket := func(e api.LiveEvening) api.LiveBasket {
		return e.Baskets[slices.IndexFunc(e.Baskets, func(b api.LiveBasket) bool { return b.Key == first })]
	}
	before := live()
	k.Set(-90 * time.Minute)
	k.Wait(10 * time.Minute)
	got := live()
	if got.ClockOffMin == nil || *got.ClockOffMin != -90 || got.Now.Sub(before.Now) != 10*time.Minute {
		t.Errorf("put back by 90 min: off by %v, %s later", got.ClockOffMin, got.Now.Sub(before.Now))
	}
	id := basket(*got.Evening).CookId
	tapped := got.Now.Add(-10 * time.Minute).Format(time.RFC3339Nano)
	for range 2 {
		get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+id+"/events", fmt.Sprintf(`{"kind": "turned", "id": "tapped-while-away", "at": %q}`, tapped))
	}
	c := get[api.CookEntry](k, 200, "GET", "/api/v1/cooks/"+id, "")
	if n := len(c.Events); c.Events[n-1].At.Sub(got.Now).Minutes() > -9.9 || c.Events[n-2].Kind == "turned" {
		t.Errorf("said late: %+v", c.Events[n-2:])
	}
	b := basket(*live().Evening)
	k.Wait(time.Duration((b.EndMin - k.Count().Minutes() + b.LoadedAt.Sub(opened).Minutes() + 6) * float64(time.Minute)))
	b = basket(*live().Evening)
	if b.OverdueMin < 5 || b.OverdueSays == nil || !strings.Contains(*b.OverdueSays, "went on for") {
		t.Errorf("forgotten for six minutes: %g, %v", b.OverdueMin, b.OverdueSays)
	}
	if late := live().Evening.Course; late.LateMin < 4 || string(late.Now[0].ID) != first+"/out" {
		t.Errorf("meanwhile %g min late, asked for is %s", late.LateMin, late.Now[0].ID)
	}
}

// heard are the events of a stream, as they come.
func heard(t *testing.T, server *httptest.Server, last string) (<-chan [2]string, context.CancelFunc) {
	t.Helper()
	ctx, stop := context.WithCancel(t.Context())
	r, err := http.NewRequestWithContext(ctx, "GET", server.URL+"/api/v1/live/stream", nil)
	if err != nil {
		t.Fatal(err)
	}
	if last != "" {
		r.Header.Set("Last-Event-ID", last)
	}
	answer, err := http.DefaultClient.Do(r)
	if err != nil {
		t.Fatal(err)
	}
	if kind := answer.Header.Get("Content-Type"); kind != "text/event-stream" {
		t.Fatalf("a stream of %s", kind)
	}
	out := make(chan [2]string, 100)
	go func() {
		defer answer.Body.Close()
		defer close(out)
		lines := bufio.NewScanner(answer.Body)
		lines.Buffer(nil, 1<<20)
		event, id := "", ""
		for lines.Scan() {
			switch name, value, _ := strings.Cut(lines.Text(), ": "); name {
			case "event":
				event = value
			case "id":
				id = value
			case "data":
				if event == "said" {
					var e struct{ What string }
					_ = json.Unmarshal([]byte(value), &e)
					event += " " + e.What
				}
				out <- [2]string{event, id}
			}
		}
	}()
	return out, stop
}

func next(t *testing.T, from <-chan [2]string, want string) string {
	t.Helper()
	for {
		select {
		case got, ok := <-from:
			if !ok {
				t.Fatalf("the stream ends before %q", want)
			}
			if got[0] == want {
				return got[1]
			}
		case <-time.After(20 * time.Second):
			t.Fatalf("%q is not heard", want)
		}
	}
}

func TestTwoDevicesHearTheSame(t *testing.T) {
	k := newKitchen(t, "")
	server := httptest.NewServer(k.Handler)
	defer server.Close()
	e := begun(t, k)
	a, stopA := heard(t, server, "")
	defer stopA()
	next(t, a, "figures")
	b, stopB := heard(t, server, "")
	last := next(t, b, "figures")
	stopB() // it goes away, and something is said meanwhile
	e = tap(k, e)
	next(t, a, "said said")
	next(t, a, "figures")
	get[api.LiveEvening](k, 200, "DELETE", "/api/v1/evenings/"+e.Id+"/events/"+e.Said[0].Id, "")
	next(t, a, "said revoked")
	// It comes back with the number of what it heard last, and misses nothing.
	again, stop := heard(t, server, last)
	defer stop()
	next(t, again, "said said")
	next(t, again, "said revoked")
	next(t, again, "figures")
	k.Handler.End()
	for range again {
		continue // it ends with the program
	}
}

// More come than were asked: what has not begun is laid anew for them, what has stays,
// and what was said may be taken back.
func TestMoreComeThanWereAsked(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	e := begun(t, k)
	come := func(n int) api.LiveEvening {
		return get[api.LiveEvening](k, 200, "POST", "/api/v1/evenings/"+e.Id+"/events", fmt.Sprintf(`{"kind": "people", "people": %d}`, n))
	}
	pieces := func(e api.LiveEvening) map[string]int {
		out := map[string]int{}
		for _, b := range e.Baskets {
			c := get[api.Cook](k, 200, "GET", "/api/v1/cooks/"+b.CookId, "")
			for _, l := range c.Plan.Lots {
				out[c.Name] += l.Load.Pieces
			}
		}
		return out
	}
	six := pieces(e)
	e = come(9)
	nine := pieces(e)
	for dish, n := range six {
		if 2*nine[dish] != 3*n {
			t.Errorf("%d %s for six, %d for nine", n, dish, nine[dish])
		}
	}
	if *e.People != 9 || *e.Stays != "" || e.Course.Over {
		t.Errorf("for %d: %q", *e.People, *e.Stays)
	}
	first := e.Course.Now[0]
	e = tap(k, until(k, e, string(first.ID))) // one of the two is on the bench
	said := len(e.Said)
	e = come(12)
	for _, b := range e.Baskets {
		name := get[api.Cook](k, 200, "GET", "/api/v1/cooks/"+b.CookId, "").Name
		want := 2 * six[name]
		if b.Dish == first.Dish {
			want = nine[name]
		}
		if got := pieces(e)[name]; got != want || strings.HasPrefix(*e.Stays, name+" was begun") != (b.Dish == first.Dish) {
			t.Errorf("%d %s instead of %d, and %q", got, name, want, *e.Stays)
		}
	}
	if len(e.Said) != said+1 {
		t.Errorf("%d things said", len(e.Said))
	}
	e = get[api.LiveEvening](k, 200, "DELETE", "/api/v1/evenings/"+e.Id+"/events/"+e.Said[said].Id, "")
	if back := pieces(e); !maps.Equal(back, nine) || *e.People != 9 {
		t.Errorf("taken back, it is for %d: %v", *e.People, back)
	}
	e = tap(k, until(k, e, "table"))
	if !e.Course.Over {
		t.Error("it never gets to the table")
	}
	get[api.Problem](k, 422, "POST", "/api/v1/evenings/"+e.Id+"/events", `{"kind": "people", "people": 41}`)
}

// A supper in waves, begun now: each table is as long before the others as it was to be,
// and is laid by itself.
func TestASupperInWavesIsLed(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Run("children first", func(t *testing.T) { inWaves(t, -time.Hour, "the children") })
	if loadtest.Thorough() {
		t.Run("a guest later", func(t *testing.T) { inWaves(t, time.Hour, "a late guest") })
	}
}

func inWaves(t *testing.T, by time.Duration, whom string) {
	k := newKitchen(t, "")
	s := cardNight(t, k)
	s.Evening.Tables = []store.TableOfSupper{{At: s.Evening.ServeAt.Add(by), People: 2, For: whom}}
	get[api.Supper](k, 200, "PUT", "/api/v1/suppers/"+s.ID, body(t, s))
	e := begun(t, k)
	var tables []time.Time
	for _, d := range e.Course.Tasks {
		if d.Kind == sheet.Table {
			tables = append(tables, d.End)
		}
	}
	if !strings.Contains(e.Course.Says, whom+" at ") || !strings.Contains(e.Course.Says, "the others at ") {
		t.Error(e.Course.Says)
	}
	// The others' plates are not carried before theirs are done, nor the children's.
	for _, d := range e.Course.Tasks {
		if d.Kind == sheet.Table {
			get[api.Problem](k, 422, "POST", "/api/v1/evenings/"+e.Id+"/events", fmt.Sprintf(`{"kind": "done", "task": %q}`, d.ID))
		}
	}
	if len(tables) != 2 || tables[1].Sub(tables[0]).Round(time.Minute) != time.Hour {
		t.Fatalf("tables at %v", tables)
	}
	for served := range 2 {
		if e.Course.Over {
			t.Fatalf("over with %d of two tables laid", served)
		}
		for range 400 {
			if e.Course.Over || len(e.Course.Now) > 0 && e.Course.Now[0].Kind == sheet.Table && !e.Course.Now[0].Until.After(k.Clock()) {
				break
			}
			if d := e.Course.Now[0]; d.Until.After(k.Clock()) {
				k.Wait(min(d.Until.Sub(k.Clock()), time.Minute))
				e = get[api.LiveEvening](k, 200, "GET", "/api/v1/evenings/"+e.Id, "")
				continue
			}
			e = tap(k, e)
		}
		e = tap(k, e)
	}
	if !e.Course.Over || e.Course.LateMin > 5 {
		t.Errorf("over: %v, %g min late: %s", e.Course.Over, e.Course.LateMin, e.Course.Says)
	}
	for _, b := range e.Baskets {
		if b.Plate == nil {
			t.Errorf("%s never came to its table", b.Name)
		}
	}
}
