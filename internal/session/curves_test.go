package session_test

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"
	"time"

	"velocrustum/internal/api"
)

// A logger's file is laid over a cook that is over, by its clock, shifted by
// hand, and laid again in its own place; it counts as its probe and leaves as a
// table.
func TestALoggersFileIsLaidOverACook(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	c := drumsticks(t, k)
	k.Wait(24 * time.Minute)
	get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind": "out"}`)
	var file strings.Builder
	file.WriteString("Uhrzeit;Temp\n")
	for m := range 20 {
		fmt.Fprintf(&file, "%s;%d,5\n", c.LoadedAt.Add(time.Duration(m+2)*time.Minute).Format("15:04:05"), 5+3*m)
	}
	lay := func(status int, shift float64) map[string]any {
		t.Helper()
		body, err := json.Marshal(map[string]any{"file": file.String(), "shiftMin": shift})
		if err != nil {
			t.Fatal(err)
		}
		return get[map[string]any](k, status, "POST", "/api/v1/cooks/"+c.Id+"/curve", string(body))
	}
	if w := k.Send("POST", "/api/v1/cooks/"+c.Id+"/curve", `{"file": "0,5\n60,7.5\n", "dryRun": true}`); w.Code != 200 || !strings.Contains(w.Body.String(), `"within":1`) {
		t.Errorf("looked at: %d %s", w.Code, w.Body)
	}
	if entry := get[api.CookEntry](k, 200, "GET", "/api/v1/cooks/"+c.Id, ""); entry.Events[len(entry.Events)-1].Kind != "out" {
		t.Errorf("looked at, it is laid: %+v", entry.Events)
	}
	got := lay(200, 0)
	if got["readings"] != 20.0 || got["within"] != 20.0 || got["fromMin"] != 2.0 || got["toMin"] != 21.0 {
		t.Errorf("laid: %v", got)
	}
	ahead := func() api.CookAhead { return get[api.CookAhead](k, 200, "GET", "/api/v1/cooks/"+c.Id+"/ahead", "") }
	if a := ahead(); len(a.Readings) != 20 || a.Readings[0].Minute != 2 || a.Readings[0].C != 5.5 || a.Now.Band[20].HighC >= a.Before.Band[20].HighC {
		t.Errorf("read over the band: %+v", a.Readings)
	}
	if got = lay(200, 10); got["within"] != 13.0 || got["fromMin"] != 12.0 {
		t.Errorf("shifted by ten: %v", got)
	}
	if a := ahead(); len(a.Readings) != 13 || a.Readings[0].Minute != 12 {
		t.Errorf("laid again, there are %+v", a.Readings)
	}
	if got = lay(422, 200); !strings.Contains(fmt.Sprint(got), "shift") {
		t.Errorf("shifted past its end: %v", got)
	}
	for what, want := range map[string]string{"readings": "12,5.5,left-in", "events": "thermometer’s file", "forecast": "core (°C)"} {
		w := k.Send("GET", "/api/v1/cooks/"+c.Id+"/tables/"+what, "")
		if w.Code != 200 || !strings.Contains(w.Body.String(), want) {
			t.Errorf("%s: %d %.300s", what, w.Code, w.Body)
		}
	}
	// It is taken back like anything that was said.
	entry := get[api.CookEntry](k, 200, "GET", "/api/v1/cooks/"+c.Id, "")
	last := entry.Events[len(entry.Events)-1]
	if last.Says != "a thermometer’s file laid over it" {
		t.Fatalf("said: %+v", last)
	}
	get[api.Cook](k, 200, "DELETE", "/api/v1/cooks/"+c.Id+"/events/"+last.Id, "")
	if a := ahead(); len(a.Readings) != 0 {
		t.Errorf("taken back, it is read: %+v", a.Readings)
	}
	for body, field := range map[string]string{`{"file": "no table"}`: "file", `{"file": "0,5\n60,6\n", "zone": "Nowhere/Town"}`: "zone"} {
		if w := k.Send("POST", "/api/v1/cooks/"+c.Id+"/curve", body); w.Code != 422 || !strings.Contains(w.Body.String(), field) {
			t.Errorf("%s: %d %s", body, w.Code, w.Body)
		}
	}
}
