package session_test

import (
	"bytes"
	"fmt"
	"math"
	"reflect"
	"strings"
	"testing"
	"time"

	"velocrustum/core/belief"
	"velocrustum/core/load"
	"velocrustum/core/verdict"
	"velocrustum/internal/api"
	"velocrustum/internal/api/apitest"
	"velocrustum/internal/archive"
	"velocrustum/internal/session"
	"velocrustum/internal/store"
)

// What a cook shows comes into the next window; left out of it, every answer is as it was
// to the digit; a change that somebody made makes it less sure again.
func TestACookTeachesItsFryer(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := emptyKitchen(t)
	f := get[struct {
		ID      string `json:"id"`
		Version int    `json:"version"`
	}](k, 201, "POST", "/api/v1/fryers", apitest.Drawer)
	dish := `"load": {"cut": "chicken-drumstick", "pieces": 6, "pieceMassG": 110, "thicknessMm": 42}, "coat": {"id": "oil-rub", "oilG": 6}, "program": {"preheatMin": 3, "stages": [{"airC": 190, "minutes": 28}], "turns": [{"atMin": 14, "kind": "flip"}]}`
	plan := get[api.Plan](k, 201, "POST", "/api/v1/plans", `{"name": "Drumsticks", "fryerId": "`+f.ID+`", `+dish+`}`)
	simulate := func() verdict.Answer {
		t.Helper()
		return get[verdict.Answer](k, 200, "POST", "/api/v1/simulations", `{"fryerId": "`+f.ID+`", `+dish+`}`)
	}
	before := simulate()
	if l := get[[]session.Learnt](k, 200, "GET", "/api/v1/fryers/"+f.ID+"/learnt", ""); len(l) != 1 || l[0].Cooks != 0 || len(l[0].Taught) != 0 {
		t.Errorf("beforehand %+v", l)
	}
	var ids []string
	for range 3 {
		c := get[api.Cook](k, 201, "POST", "/api/v1/cooks", `{"planId":"`+plan.Id+`"}`)
		ids = append(ids, c.Id)
		say := func(wait time.Duration, body string) {
			t.Helper()
			k.Wait(wait)
			get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", body)
		}
		say(3*time.Minute, `{"kind":"loaded"}`)
		say(12*time.Minute, `{"kind":"probe","value":36}`) // far colder than foretold
		say(2*time.Minute, `{"kind":"turned"}`)
		say(4*time.Minute, `{"kind":"look","value":0}`)
		say(16*time.Minute, `{"kind":"out"}`)
		k.Wait(time.Hour)
	}
	leaveOut := func(id, out string) {
		t.Helper()
		get[struct{}](k, 204, "PUT", "/api/v1/cooks/"+id+"/left-out", `{"leftOut": `+out+`}`)
	}
	leaveOut(ids[0], "false") // which has it learn at once
	learnt := get[[]session.Learnt](k, 200, "GET", "/api/v1/fryers/"+f.ID+"/learnt", "")[0]
	if learnt.Cooks != 3 || len(learnt.Taught) != 3 || learnt.Taught[0].CookID != ids[2] || learnt.Taught[0].Saw == "" {
		t.Errorf("taught %+v", learnt)
	}
	after := simulate()
	if *after.Chance.SafeByMin < *before.Chance.SafeByMin+1 {
		t.Errorf("safe by %.2f, and after three cold readings by %.2f", *before.Chance.SafeByMin, *after.Chance.SafeByMin)
	}
	if c := get[api.Cook](k, 201, "POST", "/api/v1/cooks", `{"planId":"`+plan.Id+`"}`); c.Fryer.Name != "Drawer" {
		t.Errorf("cooked in %+v", c.Fryer)
	} else {
		get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind":"stop"}`)
	}
	right := get[session.HowRight](k, 200, "GET", "/api/v1/how-right", "")
	if len(right.Readings) != 3 || right.Within != 0 || right.Well {
		t.Errorf("how right: %+v", right)
	}

	// What was changed makes it less sure, and is taken back.
	fryer := func(version, changed string) {
		t.Helper()
		get[struct{}](k, 200, "PUT", "/api/v1/fryers/"+f.ID, `{"name": "Drawer", "kind": "drawer", "powerW": 1500, "basket": {"shape": "rectangle", "widthMm": 230, "depthMm": 230}, "airflow": 1, "dialOffsetC": 0, "dial": {"minC": 80, "maxC": 200, "stepC": 5}, "changed": [`+changed+`]}`, "If-Match", version)
		leaveOut(ids[0], "false")
	}
	width := func() float64 {
		d := get[[]session.Learnt](k, 200, "GET", "/api/v1/fryers/"+f.ID+"/learnt", "")[0].Figures[1].Now
		return d[2] - d[0]
	}
	sure := width()
	fryer(`"1"`, `"`+k.Clock().Format(time.RFC3339)+`"`)
	if unsure := width(); unsure < 1.3*sure {
		t.Errorf("its fan is known within %.1f, after a change within %.1f", sure, unsure)
	}
	fryer(`"2"`, "")
	if again := width(); again != sure {
		t.Errorf("its fan is known within %.3f, after a change that was taken back within %.3f", sure, again)
	}

	for _, id := range ids {
		leaveOut(id, "true")
	}
	if again := simulate(); !reflect.DeepEqual(again, before) {
		t.Errorf("with all left out safe by %v, was %v", *again.Chance.SafeByMin, *before.Chance.SafeByMin)
	}
	leaveOut(ids[1], "false")
	if one := simulate(); *one.Chance.SafeByMin <= *before.Chance.SafeByMin {
		t.Errorf("with one taken back in safe by %v", *one.Chance.SafeByMin)
	}
	if w := k.Send("PUT", "/api/v1/cooks/nobody/left-out", `{"leftOut": true}`); w.Code != 404 {
		t.Errorf("a cook that is not there: %d", w.Code)
	}
}

// A thermometer that is known to read too high is put right before its readings weigh.
func TestAThermometerIsPutRight(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	plan := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")[0]
	safeBy := func() float64 {
		t.Helper()
		c := get[api.Cook](k, 201, "POST", "/api/v1/cooks", `{"planId":"`+plan.Id+`"}`)
		k.Wait(4 * time.Minute)
		get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind":"loaded"}`)
		k.Wait(9 * time.Minute)
		c = get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind":"probe","value":38}`)
		get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind":"out"}`)
		if c.Foreseen == nil || c.Foreseen.SafeByMin == nil {
			t.Fatalf("foreseen %+v", c.Foreseen)
		}
		return *c.Foreseen.SafeByMin
	}
	right := safeBy()
	get[struct{}](k, 200, "PATCH", "/api/v1/settings", `{"thermometerC": 3}`)
	if off := safeBy(); off < right+0.2 {
		t.Errorf("safe by %.2f, by a thermometer that reads 3 K too high by %.2f", right, off)
	}
}

// A measured run narrows what is known, goes out with its fryer and comes in again, and one
// that cannot be is refused by its field.
func TestAMeasuredRunIsLearntFrom(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := emptyKitchen(t)
	body := func(measured string) string {
		return `{"name": "Drawer", "kind": "drawer", "powerW": 1500, "basket": {"shape": "rectangle", "widthMm": 230, "depthMm": 230}, "airflow": 1, "dialOffsetC": 0, "dial": {"minC": 80, "maxC": 200, "stepC": 5}, "measured": [` + measured + `]}`
	}
	run := `{"at": "2026-11-28T18:00:00Z", "dialC": 200, "readings": [{"minute": 2, "c": 120}, {"minute": 4, "c": 172}, {"minute": 6, "c": 185}, {"minute": 10, "c": 187}]}`
	f := get[api.Fryer](k, 201, "POST", "/api/v1/fryers", body(run))
	learnt := get[[]session.Learnt](k, 200, "GET", "/api/v1/fryers/"+f.ID+"/learnt", "")[0]
	dial := learnt.Figures[0]
	if learnt.Cooks != 1 || len(learnt.Taught) != 1 || learnt.Taught[0].Run != 1 || dial.Now[1] > -4 || dial.Now[2]-dial.Now[0] > dial.Before[2]-dial.Before[0]+0.1 && dial.Now[1] > -8 {
		t.Errorf("from a run that settles at 187 °C: %+v", learnt)
	}
	// Half a potato on top of it says something of the fan, and is left out as it is.
	potato := func(leftOut bool) string {
		return fmt.Sprintf(`{"at": "2026-11-28T19:00:00Z", "dialC": 200, "potato": {"thicknessMm": 40, "massG": 130}, "leftOut": %v, "readings": [{"minute": 0, "c": 20}, {"minute": 6, "c": 26}, {"minute": 9, "c": 35}, {"minute": 12, "c": 46}, {"minute": 15, "c": 56}, {"minute": 18, "c": 66}]}`, leftOut)
	}
	f = get[api.Fryer](k, 200, "PUT", "/api/v1/fryers/"+f.ID, body(run+", "+potato(false)))
	both := get[[]session.Learnt](k, 200, "GET", "/api/v1/fryers/"+f.ID+"/learnt", "")[0]
	if fan, was := both.Figures[1].Now, learnt.Figures[1].Now; both.Cooks != 2 || (fan[2]-fan[0])/fan[1] > 0.9*(was[2]-was[0])/was[1] || fan[1] < was[1]+2 {
		t.Errorf("from a potato that is warm early: fan %v, before %v", fan, was)
	}
	if by := both.Taught[0]; by.Name != "Measured by half a potato" || by.Run != 2 || !strings.Contains(by.Saw, "potato") || !strings.Contains(by.Moved, "fan") {
		t.Errorf("what it taught: %+v", by)
	}
	get[api.Fryer](k, 200, "PUT", "/api/v1/fryers/"+f.ID, body(run+", "+potato(true)))
	if out := get[[]session.Learnt](k, 200, "GET", "/api/v1/fryers/"+f.ID+"/learnt", "")[0]; out.Figures[1] != learnt.Figures[1] {
		t.Errorf("left out: fan %v, was %v", out.Figures[1], learnt.Figures[1])
	}
	raw := takenAway(k)
	other := emptyKitchen(t)
	if _, err := other.Handler.Archives().Read(t.Context(), bytes.NewReader(raw), int64(len(raw)), archive.Choices{Others: "keep"}.Of, nil); err != nil {
		t.Fatal(err)
	}
	brought := get[[]api.Fryer](other, 200, "GET", "/api/v1/fryers", "")
	if len(brought) != 1 || len(brought[0].Measured) != 2 || brought[0].Measured[1].Potato == nil || len(brought[0].Measured[0].Readings) != 4 || brought[0].Learnt != nil {
		t.Errorf("brought in: %+v", brought)
	}
	if w := k.Send("POST", "/api/v1/fryers", body(strings.Replace(run, "200", "400", 1))); w.Code != 422 || !strings.Contains(w.Body.String(), "measured[0].dialC") {
		t.Errorf("on a dial of 400 °C: %d %s", w.Code, w.Body)
	}
}

// What is rated shows what is liked, by which dishes, ways and suppers are planned until
// somebody says it; a cook keeps what was liked then, and the archive both.
func TestRatingsSayWhatIsLikedHere(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	plan := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")[0]
	crispAt := func() float64 {
		t.Helper()
		a := get[verdict.Answer](k, 200, "POST", "/api/v1/simulations?chance=false", wings)
		if a.CrispAtMin == nil {
			return math.Inf(1)
		}
		return *a.CrispAtMin
	}
	liked := func() session.Liked {
		t.Helper()
		return get[session.Liked](k, 200, "GET", "/api/v1/liked", "")
	}
	most := crispAt()
	if l := liked(); l.Ratings != 0 || l.Likes != (load.Likes{}) {
		t.Errorf("before any rating %+v", l)
	}
	cooked := func(rated string) string {
		t.Helper()
		c := get[api.Cook](k, 201, "POST", "/api/v1/cooks", `{"planId":"`+plan.Id+`"}`)
		k.Wait(3 * time.Minute)
		get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind":"loaded"}`)
		k.Wait(26 * time.Minute)
		get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind":"out"}`)
		get[any](k, 200, "PUT", "/api/v1/cooks/"+c.Id+"/outcome", `{"crust": "`+rated+`", "inside": "good"}`)
		k.Wait(time.Hour)
		return c.Id
	}
	first := cooked("soft")
	get[struct{}](k, 204, "PUT", "/api/v1/cooks/"+first+"/left-out", `{"leftOut": true}`) // which has it learn at once
	before := liked()
	t.Logf("%+v", before)
	for range 2 {
		cooked("soft")
	}
	get[struct{}](k, 204, "PUT", "/api/v1/cooks/"+first+"/left-out", `{"leftOut": false}`) // which has it learn at once
	l := liked()
	if l.Ratings != before.Ratings+3 || l.Likes.CrustMore < before.Likes.CrustMore+5 || !strings.Contains(l.CrustSays, "crisper") {
		t.Fatalf("of three crusts called soft %+v", l)
	}
	later := crispAt()
	if later < most+0.5 {
		t.Errorf("crisp at %.1f, and as it is liked here at %.1f", most, later)
	}
	own := strings.Replace(wings, `"load"`, `"likes": {}, "load"`, 1)
	if a := get[verdict.Answer](k, 200, "POST", "/api/v1/simulations?chance=false", own); *a.CrispAtMin != most {
		t.Errorf("as most like it crisp at %.2f, not %.2f", *a.CrispAtMin, most)
	}
	get[store.Settings](k, 200, "PATCH", "/api/v1/settings", `{"crustMore": -15, "browningMore": 0.4}`)
	if now := crispAt(); now >= most {
		t.Errorf("with a soft crust asked for crisp at %.1f, else at %.1f", now, most)
	}
	if l := liked(); l.Likes != (load.Likes{CrustMore: -15, BrowningMore: 0.4}) || !strings.Contains(l.CrustSays, "crisper") {
		t.Errorf("as it was said %+v", l)
	}
	then := cooked("good")
	if w := k.Send("PATCH", "/api/v1/settings", `{"crustMore": 40}`); w.Code != 422 || !strings.Contains(w.Body.String(), "crustMore") {
		t.Errorf("40 crisper: %d %s", w.Code, w.Body)
	}

	// Out and in again.
	raw, there := takenAway(k), emptyKitchen(t)
	if _, err := there.Handler.Archives().Read(t.Context(), bytes.NewReader(raw), int64(len(raw)), archive.Choices{Others: "take"}.Of, nil); err != nil {
		t.Fatal(err)
	}
	if got := get[store.Settings](there, 200, "GET", "/api/v1/settings", ""); got.Likes() != (load.Likes{CrustMore: -15, BrowningMore: 0.4}) {
		t.Errorf("carried over %+v", got.Likes())
	}
	with := map[string]string{then: `"likes":{"browningMore":0.4,"crustMore":-15}`, first: `"id"`}
	for _, doc := range documents(t, takenAway(there)) {
		for id, part := range with {
			if !strings.Contains(doc, `"id":"`+id+`"`) {
				continue
			}
			if delete(with, id); !strings.Contains(doc, part) || id == first && strings.Contains(doc, `"crustMore"`) {
				t.Errorf("out again a cook has %.300s", doc)
			}
		}
	}
	if len(with) > 0 {
		t.Errorf("not out again: %v", with)
	}

	get[store.Settings](k, 200, "PATCH", "/api/v1/settings", `{"crustMore": null, "browningMore": null}`)
	if now := crispAt(); now != later {
		t.Errorf("taken back crisp at %.2f, as ratings show at %.2f", now, later)
	}
}

// A run of an empty fryer is led reading by reading, by hand or by a thermometer that
// sends them, the same on every device; it is no part of the fryer, nor of an archive.
func TestARunOfAnEmptyFryerIsLed(t *testing.T) {
	k := newKitchen(t, "")
	fryers := get[[]api.Fryer](k, 200, "GET", "/api/v1/fryers", "")
	at := "/api/v1/fryers/" + fryers[0].ID + "/measuring"
	type answer struct {
		Run *session.Measuring `json:"run"`
	}
	run := func() *session.Measuring {
		t.Helper()
		return get[answer](k, 200, "GET", at, "").Run
	}
	refused := func(method, path, body string, code int, says string) {
		t.Helper()
		if w := k.Send(method, path, body); w.Code != code || !strings.Contains(w.Body.String(), says) {
			t.Errorf("%s %s %s: %d %s", method, path, body, w.Code, w.Body)
		}
	}
	if run() != nil {
		t.Error("it goes on before it began")
	}
	refused("POST", at+"/readings", `{"c": 100}`, 404, "")
	refused("PUT", at, `{"dialC": 400}`, 422, "dialC")
	refused("PUT", at, `{"dialC": 190, "drawer": "left"}`, 422, "drawer")
	refused("PUT", at, `{"dialC": 190, "probe": "nobody"}`, 422, "probe")
	get[struct{}](k, 204, "PUT", at, `{"dialC": 190}`)
	if r := run(); r == nil || r.DialC != 190 || *r.NextMin != 1 || r.Enough || r.Wanted != 7 || len(r.Readings) != 0 {
		t.Fatalf("begun %+v", r)
	}
	for i, c := range []float64{60, 101.5, 140} {
		k.Wait(time.Minute)
		get[struct{}](k, 204, "POST", at+"/readings", fmt.Sprintf(`{"c": %g}`, c))
		if r := run(); len(r.Readings) != i+1 || r.Readings[i] != (belief.RunReading{Minute: float64(i + 1), C: c}) || r.Enough != (i == 2) {
			t.Errorf("after %d readings %+v", i+1, r)
		}
	}
	refused("POST", at+"/readings", `{"c": 500}`, 422, "300")
	get[struct{}](k, 204, "PUT", at, `{"dialC": 150}`) // another device begins it as well
	if r := run(); r.DialC != 190 || len(r.Readings) != 3 || *r.NextMin != 4 {
		t.Errorf("begun again %+v", r)
	}
	for path, doc := range documents(t, takenAway(k)) {
		if strings.Contains(doc, "measuring") {
			t.Errorf("it goes out with %s", path)
		}
	}
	if v := get[[]api.Fryer](k, 200, "GET", "/api/v1/fryers", "")[0].Version; v != fryers[0].Version {
		t.Errorf("its fryer has version %d, had %d", v, fryers[0].Version)
	}
	get[struct{}](k, 204, "DELETE", at, "")
	if run() != nil {
		t.Error("it goes on after it was ended")
	}

	// By a thermometer that sends: from when it was turned on, one a slot.
	send := func() {
		t.Helper()
		get[any](k, 200, "POST", "/api/v1/probes/hung/readings", fmt.Sprintf(`{"readings": [{"at": %q, "c": 90}]}`, k.Clock().Format(time.RFC3339)))
	}
	send()
	k.Wait(time.Minute)
	get[struct{}](k, 204, "PUT", at, `{"dialC": 190, "probe": "hung"}`)
	if live := k.Send("GET", "/api/v1/cooks/live", "").Body.String(); !strings.Contains(live, `"measuring":[{"fryerId":"`+fryers[0].ID+`","probe":"hung"`) {
		t.Errorf("the thermometer is not told: %s", live)
	}
	for range 50 { // 12 s each
		k.Wait(12 * time.Second)
		send()
	}
	if r := run(); len(r.Readings) != 21 || r.Probe != "hung" || !r.Enough || r.NextMin != nil || r.Minute != 10 {
		t.Errorf("of fifty in ten minutes %+v", r)
	}
	k.Wait(15 * time.Minute)
	get[struct{}](k, 204, "PUT", at, `{"dialC": 180}`) // that one was forgotten
	if r := run(); r.DialC != 180 || len(r.Readings) != 0 || r.Probe != "" {
		t.Errorf("begun after a forgotten one %+v", r)
	}
	get[struct{}](k, 204, "DELETE", at, "")

	// With half a potato: other minutes, and what it reads begins with what it is now.
	for body, says := range map[string]string{`{"thicknessMm": 80, "massG": 130}`: "30 to 50 mm", `{"thicknessMm": 40, "massG": 900}`: "potato.massG"} {
		refused("PUT", at, `{"dialC": 200, "potato": `+body+`}`, 422, says)
	}
	get[struct{}](k, 204, "PUT", at, `{"dialC": 200, "probe": "hung", "potato": {"thicknessMm": 40, "massG": 130}}`)
	if live := k.Send("GET", "/api/v1/cooks/live", "").Body.String(); !strings.Contains(live, `"potato":{"thicknessMm":40,"massG":130}`) {
		t.Errorf("the thermometer is not told of the potato: %s", live)
	}
	get[struct{}](k, 204, "DELETE", at, "")
	get[struct{}](k, 204, "PUT", at, `{"dialC": 200, "potato": {"thicknessMm": 40, "massG": 130}}`)
	if r := run(); *r.NextMin != 0 || r.Wanted != 6 || r.Potato == nil {
		t.Errorf("a potato begun: %+v", r)
	}
	refused("POST", at+"/readings", `{"c": 140}`, 422, "120")
	get[struct{}](k, 204, "POST", at+"/readings", `{"c": 21}`)
	k.Wait(25 * time.Minute) // late, and still of use
	get[struct{}](k, 204, "POST", at+"/readings", `{"c": 78}`)
	if r := run(); len(r.Readings) != 2 || *r.NextMin != 9 {
		t.Errorf("a potato read: %+v", r)
	}
	get[struct{}](k, 204, "DELETE", at, "")
	refused("GET", "/api/v1/fryers/nobody/measuring", "", 200, "{}")
	refused("PUT", "/api/v1/fryers/nobody/measuring", `{"dialC": 190}`, 404, "")
}
