package session_test

import (
	"bytes"
	"reflect"
	"strings"
	"testing"
	"time"

	"velocrustum/internal/api"
	"velocrustum/internal/api/apitest"
	"velocrustum/internal/archive"
	"velocrustum/internal/session"
)

// Looks at the back and at the front of a basket are kept with where they were, in the
// archive as well, and once they tell the ends apart a turn changes them over.
func TestTheEndsOfABasketAreToldApart(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := emptyKitchen(t)
	f := get[api.Fryer](k, 201, "POST", "/api/v1/fryers", apitest.Drawer)
	plan := get[api.Plan](k, 201, "POST", "/api/v1/plans", `{"name": "Drumsticks", "fryerId": "`+f.ID+`", "load": {"cut": "chicken-drumstick", "pieces": 6, "pieceMassG": 110}, "coat": {"id": "oil-rub", "oilG": 6}, "program": {"preheatMin": 3, "stages": [{"airC": 200, "minutes": 30}], "turns": [{"atMin": 15, "kind": "flip"}]}}`)
	var c api.Cook
	say := func(wait time.Duration, body string) {
		t.Helper()
		k.Wait(wait)
		c = get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", body)
	}
	begin := func() {
		t.Helper()
		c = get[api.Cook](k, 201, "POST", "/api/v1/cooks", `{"planId":"`+plan.Id+`"}`)
		say(3*time.Minute, `{"kind":"loaded"}`)
	}
	for range 3 {
		begin()
		if strings.Contains(c.Step.Detail, "front and back") {
			t.Fatalf("before it is known: %q", c.Step.Detail)
		}
		say(15*time.Minute, `{"kind":"turned"}`)
		for range 4 {
			say(2*time.Minute, `{"kind":"look","value":2,"where":"back"}`)
			say(time.Minute, `{"kind":"look","value":1,"where":"front"}`)
		}
		if e := c.Events[len(c.Events)-1]; e.Says != "looks straw at the front" {
			t.Errorf("the last look: %+v", e)
		}
		say(2*time.Minute, `{"kind":"out"}`)
		k.Wait(time.Hour)
	}
	for body, says := range map[string]string{`{"kind":"look","value":1,"where":"middle"}`: "where", `{"kind":"probe","value":40,"where":"back"}`: "of a look"} {
		begin()
		if w := k.Send("POST", "/api/v1/cooks/"+c.Id+"/events", body); w.Code != 422 && w.Code != 400 || !strings.Contains(w.Body.String(), says) {
			t.Errorf("%s: %d %s", body, w.Code, w.Body)
		}
		say(0, `{"kind":"out"}`)
	}
	type one struct {
		Id string `json:"id"`
	}
	cooks := get[[]one](k, 200, "GET", "/api/v1/cooks", "")
	get[struct{}](k, 204, "PUT", "/api/v1/cooks/"+cooks[len(cooks)-1].Id+"/left-out", `{"leftOut": false}`) // which has it learn at once
	l := get[[]session.Learnt](k, 200, "GET", "/api/v1/fryers/"+f.ID+"/learnt", "")[0]
	if ends := l.Figures[len(l.Figures)-1]; !strings.Contains(l.Says, "quicker at the back than at the front") || ends.ID != "ends" || !strings.HasSuffix(ends.Says, "quicker at the back") || ends.Now[0] < 0 || ends.Before[1] != 0 {
		t.Errorf("learnt: %s %+v", l.Says, ends)
	}
	begin()
	if !strings.Contains(c.Step.Detail, "Change front and back over: it browns quicker at the back here.") {
		t.Errorf("the turn: %q", c.Step.Detail)
	}
	say(20*time.Minute, `{"kind":"out"}`)
	other := emptyKitchen(t)
	raw := takenAway(k)
	if _, err := other.Handler.Archives().Read(t.Context(), bytes.NewReader(raw), int64(len(raw)), archive.Choices{Others: "keep"}.Of, nil); err != nil {
		t.Fatal(err)
	}
	for _, brought := range get[[]one](other, 200, "GET", "/api/v1/cooks", "") {
		there := get[api.Cook](other, 200, "GET", "/api/v1/cooks/"+brought.Id, "")
		if was := get[api.Cook](k, 200, "GET", "/api/v1/cooks/"+brought.Id, ""); !reflect.DeepEqual(there.Events, was.Events) {
			t.Errorf("brought in: %+v, was %+v", there.Events, was.Events)
		}
	}
}
