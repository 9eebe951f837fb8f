package api_test

import (
	"encoding/json"
	"strings"
	"testing"
	"time"

	"github.com/arran4/golang-ical"

	"velocrustum/core/sheet"
	"velocrustum/internal/api"
	"velocrustum/internal/store"
)

func TestASupperIsWorkedBackAndKept(t *testing.T) {
	k := newKitchen(t, "")
	s := cardNight(t, k)
	a := get[api.Sheet](k, 200, "POST", "/api/v1/sheets", body(t, s.Evening))
	if !a.OnTime || len(a.Tasks) < 20 || len(a.Plate) != 3 || len(a.Shopping) < 6 || len(a.Counter) < 4 || len(a.Others) < 2 {
		t.Fatalf("on time %v, %d tasks, %d on the plate, %d to buy", a.OnTime, len(a.Tasks), len(a.Plate), len(a.Shopping))
	}
	// Its dish changes, and so does the supper.
	p := get[api.Plan](k, 200, "GET", "/api/v1/plans/"+s.Evening.Dishes[0].PlanID, "")
	in := api.PlanInput{Name: p.Name, FryerId: p.FryerId, Lots: &p.Lots, Bench: &p.Bench, Program: p.Program, PerBasket: p.PerBasket}
	(*in.Lots)[0].Load.Pieces = 12
	get[api.Plan](k, 200, "PUT", "/api/v1/plans/"+p.Id, body(t, in))
	if fewer := get[api.Sheet](k, 200, "POST", "/api/v1/sheets", body(t, s.Evening)); len(fewer.Plate) != 2 || fewer.StartAt.Before(a.StartAt) {
		t.Errorf("with half of the wings %d baskets, begun %s instead of %s", len(fewer.Plate), fewer.StartAt, a.StartAt)
	}
	s.Name, s.Evening.Hands = "Card night, helped", 2
	kept := get[api.Supper](k, 200, "PUT", "/api/v1/suppers/"+s.ID, body(t, s))
	if kept.Version != 2 || kept.Evening.Hands != 2 {
		t.Errorf("%+v", kept)
	}
	for spoilt, field := range map[string]func(e *api.Supper){
		"dishes[0].planId": func(s *api.Supper) { s.Evening.Dishes[0].PlanID = "gone" },
		"hands":            func(s *api.Supper) { s.Evening.Hands = 9 },
		"name":             func(s *api.Supper) { s.Name = " " },
		"sides[0].steps":   func(s *api.Supper) { s.Evening.Sides[0].Steps = []sheet.SideStep{} },
	} {
		bad := cardNight2(t, s)
		field(&bad)
		if got := get[api.Problem](k, 422, "PUT", "/api/v1/suppers/"+s.ID, body(t, bad)); !strings.HasPrefix((*got.Errors)[0].Field, spoilt) {
			t.Errorf("%s: %+v", spoilt, *got.Errors)
		}
	}
	get[struct{}](k, 204, "DELETE", "/api/v1/suppers/"+s.ID, "")
	get[api.Problem](k, 404, "DELETE", "/api/v1/suppers/"+s.ID, "")
}

// cardNight2 is a copy that may be spoilt.
func cardNight2(t *testing.T, s api.Supper) (out api.Supper) {
	t.Helper()
	if err := json.Unmarshal([]byte(body(t, s)), &out); err != nil {
		t.Fatal(err)
	}
	return out
}

// The calendar is read back by a library: an event for each line by the
// clock, in UTC; the list has the kitchen's own clock.
func TestWhatASupperTakesAway(t *testing.T) {
	k := newKitchen(t, "")
	s := cardNight(t, k)
	text := raw(t, k, "/api/v1/suppers/"+s.ID+"/calendar", "text/calendar")
	c, err := ics.ParseCalendar(strings.NewReader(text))
	if err != nil {
		t.Fatal(err)
	}
	sh := get[api.Sheet](k, 200, "POST", "/api/v1/sheets", body(t, s.Evening))
	seen := map[string]bool{}
	for _, e := range c.Events() {
		start, err := e.GetStartAt()
		end, endErr := e.GetEndAt()
		if err != nil || endErr != nil || start.Location() != time.UTC || !end.After(start) || len(e.Alarms()) > 1 || seen[e.Id()] {
			t.Errorf("%s from %v to %v, %d alarms", e.Id(), start, end, len(e.Alarms()))
		}
		seen[e.Id()] = true
	}
	if len(c.Events()) != len(sh.Clock) {
		t.Errorf("%d events, %d lines by the clock", len(c.Events()), len(sh.Clock))
	}
	for line := range strings.SplitSeq(text, "\r\n") {
		if len(line) > 75 {
			t.Errorf("a line of %d bytes: %s", len(line), line)
		}
	}
	list := raw(t, k, "/api/v1/suppers/"+s.ID+"/list?zone=Asia/Tokyo", "text/markdown")
	tokyo, err := time.LoadLocation("Asia/Tokyo")
	if err != nil {
		t.Fatal(err)
	}
	for _, want := range []string{"# Card night", sh.ServeAt.In(tokyo).Format("15:04"), "## Shopping", "## On the counter", "Check with a thermometer"} {
		if !strings.Contains(list, want) {
			t.Errorf("%q is not in the list", want)
		}
	}
	get[api.Problem](k, 422, "GET", "/api/v1/suppers/"+s.ID+"/list?zone=Moon/Sea", "")
	get[api.Problem](k, 404, "GET", "/api/v1/suppers/none/calendar", "")
}

func raw(t *testing.T, k *kitchen, path, kind string) string {
	t.Helper()
	w := k.Send("GET", path, "")
	if w.Code != 200 || !strings.HasPrefix(w.Header().Get("Content-Type"), kind) {
		t.Fatalf("%s: %d %s", path, w.Code, w.Header().Get("Content-Type"))
	}
	return w.Body.String()
}

// For as many as come, at two tables: pieces, shopping and the list follow, and each
// table has its own plates.
func TestASupperForAsManyAsCome(t *testing.T) {
	k := newKitchen(t, "")
	s := cardNight(t, k)
	before := get[api.Sheet](k, 200, "POST", "/api/v1/sheets", body(t, s.Evening))
	s.Evening.Scaled = true
	s.Evening.Sides[0].Buys = []string{"1 bulb of fennel"}
	s.Evening.Tables = []store.TableOfSupper{{At: s.Evening.ServeAt.Add(-90 * time.Minute), People: 2, For: "the children"}}
	kept := get[api.Supper](k, 200, "PUT", "/api/v1/suppers/"+s.ID, body(t, s))
	sh := get[api.Sheet](k, 200, "POST", "/api/v1/sheets", body(t, kept.Evening))
	pieces := func(sh api.Sheet, children bool) (n int) {
		for _, p := range sh.Plate {
			if sheet.DishOf(p.Dish) != p.Dish == children {
				n += p.Pieces
			}
		}
		return n
	}
	if all, mine, theirs := pieces(before, false), pieces(sh, false), pieces(sh, true); mine != all || 3*theirs < all || 3*(theirs-2) > all {
		t.Errorf("%d pieces for six, with two more %d and %d", all, mine, theirs)
	}
	bought := false
	for _, b := range sh.Shopping {
		bought = bought || strings.Contains(b.Name, "fennel")
	}
	if !bought {
		t.Errorf("the slaw's fennel is not bought: %+v", sh.Shopping)
	}
	list := raw(t, k, "/api/v1/suppers/"+s.ID+"/list?zone=UTC", "text/markdown")
	for _, part := range []string{"the children", "1 bulb of fennel", "clean tongs"} {
		if !strings.Contains(list, part) {
			t.Errorf("the list has no %q:\n%s", part, list)
		}
	}
	s.Evening.Tables[0].At = s.Evening.ServeAt.Add(-5 * time.Hour)
	s.Version = kept.Version
	if got := get[api.Problem](k, 422, "PUT", "/api/v1/suppers/"+s.ID, body(t, s)); !strings.HasPrefix((*got.Errors)[0].Field, "tables[0].at") {
		t.Errorf("%+v", *got.Errors)
	}
	s.Evening.Tables[0].People = 0
	s.Version = kept.Version
	if got := get[api.Problem](k, 422, "PUT", "/api/v1/suppers/"+s.ID, body(t, s)); !strings.HasPrefix((*got.Errors)[0].Field, "evening.tables[0].people") {
		t.Errorf("%+v", *got.Errors)
	}
}
