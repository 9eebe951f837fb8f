package session_test

import (
	"sync"
	"testing"
	"time"

	"velocrustum/internal/api"
)

func TestACookFromHeatingToTheLogbook(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	plan := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")[0]
	say := func(id, body string) api.Cook {
		t.Helper()
		return get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+id+"/events", body)
	}
	before := len(get[[]api.CookSummary](k, 200, "GET", "/api/v1/cooks", ""))
	c := get[api.Cook](k, 201, "POST", "/api/v1/cooks", `{"planId":"`+plan.Id+`"}`)
	if c.Step.Phase != "heating" || c.Step.Until == nil || c.Step.Until.Sub(c.Now) != 4*time.Minute {
		t.Errorf("begins with %+v", c.Step)
	}
	get[api.Problem](k, 409, "POST", "/api/v1/cooks", `{"planId":"`+plan.Id+`"}`)
	get[api.Problem](k, 409, "DELETE", "/api/v1/cooks/"+c.Id, "")
	k.Wait(4 * time.Minute)
	c = say(c.Id, `{"kind":"loaded"}`)
	k.Wait(12*time.Minute + 30*time.Second)
	c = say(c.Id, `{"kind":"turned"}`)
	if turned := c.Actual.Turns[0].AtMin; turned < 12.49 || turned > 12.51 {
		t.Errorf("turned at %g in the forecast", turned)
	}
	k.Wait(12 * time.Minute)
	entry := func() api.CookEntry { return get[api.CookEntry](k, 200, "GET", "/api/v1/cooks/"+c.Id, "") }
	planned := *entry().Planned.SafeAtMin
	c = say(c.Id, `{"kind":"probe","value":88.5}`)
	c = say(c.Id, `{"kind":"out"}`)
	if c.Step.Phase != "finished" || c.FinishedAt == nil || *entry().Planned.SafeAtMin != planned {
		t.Errorf("ends with %+v", c.Step)
	}
	kept := get[api.CookEntry](k, 200, "PUT", "/api/v1/cooks/"+c.Id+"/outcome", `{"crust":"good","inside":"juicy","note":"loud","change":"nothing"}`)
	if *kept.Outcome.Note != "loud" {
		t.Errorf("outcome %+v", kept.Outcome)
	}
	first := get[[]api.CookSummary](k, 200, "GET", "/api/v1/cooks", "")[0]
	if first.Id != c.Id || first.Live || *first.ActualMin < 24.4 || *first.ActualMin > 24.6 || *first.Crust != "good" {
		t.Errorf("the logbook begins with %+v", first)
	}
	// Taken back, it goes on; put aside and brought back, it is all there.
	if c = get[api.Cook](k, 200, "DELETE", "/api/v1/cooks/"+c.Id+"/events/"+c.Events[len(c.Events)-1].Id, ""); c.FinishedAt != nil {
		t.Error("still finished after taking it back")
	}
	say(c.Id, `{"kind":"out"}`)
	get[struct{}](k, 204, "DELETE", "/api/v1/cooks/"+c.Id, "")
	if n := len(get[[]api.CookSummary](k, 200, "GET", "/api/v1/cooks", "")); n != before {
		t.Errorf("%d cooks after deleting the new one, %d before it", n, before)
	}
	if back := get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/restore", ""); len(back.Events) != 4 {
		t.Errorf("restored with %d events", len(back.Events))
	}
}

func TestConcurrentTapsCountOnce(t *testing.T) {
	k := newKitchen(t, "")
	plan := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")[0]
	c := get[api.Cook](k, 201, "POST", "/api/v1/cooks", `{"planId":"`+plan.Id+`"}`)
	get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind":"loaded"}`)
	k.Wait(12 * time.Minute)
	var wg sync.WaitGroup
	for range 6 {
		wg.Go(func() { k.Send("POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind":"turned"}`) })
	}
	wg.Wait()
	c = get[api.Cook](k, 200, "GET", "/api/v1/cooks/"+c.Id, "")
	if len(c.Events) != 2 {
		t.Errorf("six taps at once left %d events", len(c.Events))
	}

	// An answer that was lost and a tap sent again, long after: once. Taken
	// back it stays so, however often it is sent or taken back.
	at := "/api/v1/cooks/" + c.Id + "/events"
	for range 3 {
		c = get[api.Cook](k, 200, "POST", at, `{"id":"device-a-0001","kind":"more","value":2}`)
		k.Wait(time.Minute)
	}
	if e := c.Events[len(c.Events)-1]; len(c.Events) != 3 || e.Id != "device-a-0001" || *e.Value != 2 {
		t.Errorf("sent three times: %+v", c.Events)
	}
	for range 2 {
		c = get[api.Cook](k, 200, "DELETE", at+"/device-a-0001", "")
	}
	if c = get[api.Cook](k, 200, "POST", at, `{"id":"device-a-0001","kind":"more","value":2}`); len(c.Events) != 2 {
		t.Errorf("taken back and sent late: %+v", c.Events)
	}
	// Two values within a second are two things said.
	get[api.Cook](k, 200, "POST", at, `{"kind":"more","value":2}`)
	if c = get[api.Cook](k, 200, "POST", at, `{"kind":"more","value":3}`); len(c.Events) != 4 {
		t.Errorf("two and three minutes more: %+v", c.Events)
	}
	if p := get[api.Problem](k, 422, "DELETE", at+"/"+c.Events[0].Id, ""); p.Errors == nil || (*p.Errors)[0].Field != "event" {
		t.Errorf("the loading was taken back under what followed: %+v", p)
	}
	get[api.Problem](k, 404, "DELETE", at+"/never-said-0", "")
	// A clock set back an hour, and one set forward by two, is told of and not believed.
	type live = struct {
		Now         time.Time
		Mark        string
		ClockOffMin *float64
		Cook        *api.Cook
	}
	for _, set := range []time.Duration{-time.Hour, 2 * time.Hour} {
		before := get[live](k, 200, "GET", "/api/v1/cooks/live", "")
		k.Set(set)
		k.Wait(time.Minute)
		c = get[api.Cook](k, 200, "POST", at, `{"kind":"probe","value":60}`)
		if said := c.Events[len(c.Events)-1].At; said.Sub(before.Now) != time.Minute {
			t.Errorf("said a minute later under a clock set by %s, noted %s later", set, said.Sub(before.Now))
		}
	}
	now := get[live](k, 200, "GET", "/api/v1/cooks/live", "")
	if now.ClockOffMin == nil || *now.ClockOffMin != 60 {
		t.Errorf("the clock that is an hour off is told as %v", now.ClockOffMin)
	}
	// Who knows the cook as it is hears no more than the time.
	if again := get[live](k, 200, "GET", "/api/v1/cooks/live?known="+now.Mark, ""); again.Cook != nil || again.Mark != now.Mark {
		t.Errorf("a known cook was said again: %+v", again)
	}
	get[api.Cook](k, 200, "POST", at, `{"kind":"more","value":1}`)
	if again := get[live](k, 200, "GET", "/api/v1/cooks/live?known="+now.Mark, ""); again.Cook == nil || again.Mark == now.Mark {
		t.Errorf("a changed cook was not said: %+v", again)
	}
	get[api.Cook](k, 200, "POST", at, `{"kind":"out"}`)
	if over := get[live](k, 200, "GET", "/api/v1/cooks/live", ""); over.Cook != nil || over.ClockOffMin != nil || !over.Now.Equal(k.Clock()) {
		t.Errorf("with nothing to time the computer's clock is right: %+v", over)
	}
}

// A reading corrects what was forecast, on every device; taken back, the
// forecast is as it was; what lies under the rule is not safe yet.
func TestAReadingCorrectsTheForecast(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	var plan api.Plan
	for _, p := range get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "") {
		if p.Name == "Harissa drumsticks" {
			plan = p
		}
	}
	c := get[api.Cook](k, 201, "POST", "/api/v1/cooks", `{"planId":"`+plan.Id+`"}`)
	say := func(body string) api.Cook {
		t.Helper()
		return get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", body)
	}
	k.Wait(4 * time.Minute)
	if c = say(`{"kind":"loaded"}`); c.Foreseen != nil {
		t.Error("something is foreseen with nothing seen")
	}
	before := *c.Forecast.SafeAtMin
	k.Wait(10 * time.Minute)
	c = say(`{"kind":"probe","value":30}`)
	if c.Foreseen == nil || c.Foreseen.AtMin < 9.9 || c.Foreseen.CoreC > 40 || c.Foreseen.SafeByMin != nil && *c.Foreseen.SafeByMin < before {
		t.Fatalf("after a cold reading %+v, before it safe at %.1f", c.Foreseen, before)
	}
	k.Wait(4 * time.Minute)
	colder := c
	c = say(`{"kind":"probe","value":70}`)
	if c.Foreseen.SafeByMin == nil || *c.Foreseen.SafeByMin <= 14 || c.Foreseen.MoreMin == nil || *c.Foreseen.MoreMin < 1 || c.Foreseen.Says == "" {
		t.Errorf("read 70 °C at minute 14: %+v", c.Foreseen)
	}
	if live := get[struct{ Cook *api.Cook }](k, 200, "GET", "/api/v1/cooks/live", ""); live.Cook == nil || *live.Cook.Foreseen.SafeByMin != *c.Foreseen.SafeByMin {
		t.Error("another device is told otherwise")
	}
	last := c.Events[len(c.Events)-1].Id
	c = get[api.Cook](k, 200, "DELETE", "/api/v1/cooks/"+c.Id+"/events/"+last, "")
	if c.Foreseen == nil || c.Foreseen.CoreC != colder.Foreseen.CoreC {
		t.Errorf("taken back it is %+v, was %+v", c.Foreseen, colder.Foreseen)
	}
	if c = say(`{"kind":"look","value":4}`); c.Foreseen.SafeByMin != nil && colder.Foreseen.SafeByMin != nil && *c.Foreseen.SafeByMin < *colder.Foreseen.SafeByMin-1e-9 {
		t.Error("a dark crust makes it safe")
	}
	k.Wait(12 * time.Minute)
	if c = say(`{"kind":"out"}`); c.Foreseen != nil {
		t.Error("it is foreseen after it is out")
	}
}
