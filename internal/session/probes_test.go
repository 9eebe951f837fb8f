package session_test

import (
	"fmt"
	"strings"
	"testing"
	"time"

	"velocrustum/core/cook"
	"velocrustum/internal/api"
)

func TestAThermometerLeftInIsRead(t *testing.T) {
	k := newKitchen(t, "")
	c := drumsticks(t, k)
	post := func(status int, body string) string {
		t.Helper()
		w := k.Send("POST", "/api/v1/probes/tip/readings", body)
		if w.Code != status {
			t.Errorf("%s is answered with %d: %s", body, w.Code, w.Body)
		}
		return w.Body.String()
	}
	at := func(minutes float64) string {
		return c.LoadedAt.Add(time.Duration(minutes * float64(time.Minute))).Format(time.RFC3339)
	}
	post(200, fmt.Sprintf(`{"readings": [{"at": %q, "c": 21.5}]}`, at(0)))
	if seen := get[[]api.ThermometerSeen](k, 200, "GET", "/api/v1/probes", ""); len(seen) != 1 || seen[0].Id != "tip" || seen[0].C != 21.5 {
		t.Errorf("thermometers: %+v", seen)
	}
	get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind": "left-in", "probe": "tip"}`)
	k.Wait(time.Second)
	before := get[api.GetLiveCook200JSONResponse](k, 200, "GET", "/api/v1/cooks/live", "")
	if p := before.Cook.Probe; p == nil || !p.At.IsZero() {
		t.Errorf("before it has read anything there: %+v", p)
	}
	k.Wait(12 * time.Minute)
	// Late, out of order and twice; with a gap.
	post(200, fmt.Sprintf(`{"readings": [{"at": %q, "c": 24}, {"at": %q, "c": 12}, {"at": %q, "c": 20}, {"at": %q, "c": 24}]}`, at(9), at(4), at(7), at(9)))
	if again := post(200, fmt.Sprintf(`{"readings": [{"at": %q, "c": 24}, {"at": %q, "c": 27}]}`, at(9), at(10))); !strings.Contains(again, `"added":1`) {
		t.Errorf("sent again: %s", again)
	}
	live := get[api.GetLiveCook200JSONResponse](k, 200, "GET", "/api/v1/cooks/live", "")
	got := live.Cook
	if live.Mark == before.Mark || got.Foreseen == nil || got.Probe == nil || got.Probe.C != 27 || got.Foreseen.CoreC > 30 {
		t.Fatalf("read: %+v, %+v", got.Foreseen, got.Probe)
	}
	if got.Asks == nil || got.Asks.Until != nil || !strings.Contains(got.Asks.Says, "27 °C") {
		t.Errorf("a tip that stays reads 27 °C, and out is asked with %+v", got.Asks)
	}
	if got.Foreseen.SafeByMin != nil && *got.Foreseen.SafeByMin < 15 {
		t.Errorf("24 °C at minute 9 is safe by %g", *got.Foreseen.SafeByMin)
	}
	// What a table says counts alike.
	if w := k.Send("POST", "/api/v1/probes/tip/readings", "at,c\n"+at(11)+",31.5\n", "Content-Type", "text/csv"); w.Code != 200 || !strings.Contains(w.Body.String(), `"added":1`) {
		t.Errorf("a table: %d %s", w.Code, w.Body)
	}
	if ahead := get[api.CookAhead](k, 200, "GET", "/api/v1/cooks/"+c.Id+"/ahead", ""); len(ahead.Readings) != 5 {
		t.Errorf("read: %+v", ahead.Readings)
	}
	// Taken out it tells no more.
	get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind": "taken-out"}`)
	k.Wait(time.Minute)
	post(200, fmt.Sprintf(`{"readings": [{"at": %q, "c": 22}]}`, at(13)))
	if ahead := get[api.CookAhead](k, 200, "GET", "/api/v1/cooks/"+c.Id+"/ahead", ""); len(ahead.Readings) != 5 {
		t.Errorf("taken out, it is still read: %+v", ahead.Readings)
	}
}

func TestReadingsThatCannotBe(t *testing.T) {
	k := newKitchen(t, "")
	for body, field := range map[string]string{
		`{"readings": [{"at": "2026-11-20T18:00:00Z", "c": 900}]}`: "readings[0].c",
		`{"readings": [{"at": "2026-11-20T19:00:00Z", "c": 50}]}`:  "readings[0].at",
		`{"readings": []}`: "readings",
	} {
		if w := k.Send("POST", "/api/v1/probes/tip/readings", body); w.Code != 422 && w.Code != 400 || !strings.Contains(w.Body.String(), field) {
			t.Errorf("%s: %d %s", body, w.Code, w.Body)
		}
	}
	for table, field := range map[string]string{
		"time;temp\n1;2\n":                   "readings",
		"at,c\n2026-11-20T18:00:00Z,\"4,5\"": "readings[0].c",
		"at,c\nyesterday,45\n":               "readings[0].at",
		"at,c\n2026-11-20T18:00:00Z,45,3\n":  "wrong number of fields",
		"c,at\nNaN,2026-11-20T18:00:00Z\n":   "readings[0].c",
	} {
		if w := k.Send("POST", "/api/v1/probes/tip/readings", table, "Content-Type", "text/csv"); w.Code != 422 || !strings.Contains(w.Body.String(), field) {
			t.Errorf("%q: %d %s", table, w.Code, w.Body)
		}
	}
	if w := k.Send("POST", "/api/v1/cooks", "planId\nx\n", "Content-Type", "text/csv"); w.Code/100 != 4 {
		t.Errorf("a table where none is read: %d", w.Code)
	}
	if len(get[[]api.ThermometerSeen](k, 200, "GET", "/api/v1/probes", "")) != 0 {
		t.Error("something of what was refused is kept")
	}
}

func TestNextTimeGoesIntoTheDish(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	c := drumsticks(t, k)
	planned := 0.0
	for _, st := range c.Plan.Program.Stages {
		planned += st.Minutes
	}
	get[api.Problem](k, 422, "POST", "/api/v1/cooks/"+c.Id+"/next-time", "")
	k.Wait(time.Duration((planned + 4) * float64(time.Minute)))
	get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind": "probe", "value": 88}`)
	get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind": "out"}`)
	entry := get[api.CookEntry](k, 200, "GET", "/api/v1/cooks/"+c.Id, "")
	if entry.NextTime != nil || entry.Shown == nil || !entry.Shown.Safe || entry.Shown.By != cook.ByReading {
		t.Fatalf("before it was rated: %+v, %+v", entry.NextTime, entry.Shown)
	}
	get[api.CookEntry](k, 200, "PUT", "/api/v1/cooks/"+c.Id+"/outcome", `{"crust": "good"}`)
	entry = get[api.CookEntry](k, 200, "GET", "/api/v1/cooks/"+c.Id, "")
	if entry.NextTime == nil || entry.NextTime.Minutes != 4 || !strings.Contains(entry.NextTime.Says, "Simulated so: crust") {
		t.Fatalf("proposed: %+v", entry.NextTime)
	}
	p := get[api.Plan](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/next-time", "")
	now := 0.0
	for _, st := range p.Program.Stages {
		now += st.Minutes
	}
	if now != planned+4 {
		t.Errorf("the dish takes %g min, it took %g", now, planned)
	}
}

// What came out raw says so until a reading clears it, in the entry as well, and
// teaches nothing.
func TestWhatCameOutRawSaysSo(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	c := drumsticks(t, k)
	path := "/api/v1/cooks/" + c.Id
	k.Wait(2 * time.Minute)
	early := get[api.CookEntry](k, 200, "GET", path, "")
	if early.Shown == nil || early.Shown.Safe || early.Asks == nil {
		t.Fatalf("after two minutes: %+v, asked %+v", early.Shown, early.Asks)
	}
	get[api.Cook](k, 200, "POST", path+"/events", `{"kind": "out"}`)
	get[api.CookEntry](k, 200, "PUT", path+"/outcome", `{"crust": "pale", "inside": "raw"}`)
	entry := get[api.CookEntry](k, 200, "GET", path, "")
	if entry.Shown == nil || entry.Shown.Safe || !strings.Contains(entry.Shown.Says, "minute 2") || entry.NextTime == nil || entry.NextTime.Minutes != 0 {
		t.Fatalf("out after two minutes: %+v, next time %+v", entry.Shown, entry.NextTime)
	}
	k.Wait(20 * time.Minute)
	get[api.Cook](k, 200, "POST", path+"/events", `{"kind": "probe", "value": 60}`)
	if entry = get[api.CookEntry](k, 200, "GET", path, ""); entry.Shown.Safe || !strings.Contains(entry.Shown.Says, "60 °C") {
		t.Errorf("read 60 °C after it was out: %+v", entry.Shown)
	}
	got := get[api.Cook](k, 200, "POST", path+"/events", `{"kind": "probe", "value": 80}`)
	if got.Shown == nil || !got.Shown.Safe || got.FinishedAt == nil {
		t.Errorf("read 80 °C after it was out: %+v, finished %v", got.Shown, got.FinishedAt)
	}
	get[api.Problem](k, 422, "POST", path+"/events", `{"kind": "more", "value": 2}`)
}

// What a device says is answered at once: a reading is weighed, after a turn
// the runs are laid anew; beside them a plain forecast with its window.
func BenchmarkEvents(b *testing.B) {
	k := newKitchen(b, "")
	c := drumsticks(b, k)
	say := func(body string) { get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", body) }
	k.Wait(8 * time.Minute)
	say(`{"kind": "probe", "value": 30}`)
	b.Run("reading", func(b *testing.B) {
		for n := 0; b.Loop(); n++ {
			k.Wait(time.Second)
			say(fmt.Sprintf(`{"kind": "probe", "value": %d}`, 30+n%3))
		}
	})
	b.Run("turn", func(b *testing.B) {
		for b.Loop() {
			k.Wait(5 * time.Second)
			say(`{"kind": "turned"}`)
		}
	})
	b.Run("window", func(b *testing.B) {
		for b.Loop() {
			get[api.Simulation](k, 200, "POST", "/api/v1/simulations", wings)
		}
	})
}
