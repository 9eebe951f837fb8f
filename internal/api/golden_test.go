package api_test

import (
	"crypto/sha256"
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"regexp"
	"slices"
	"strings"
	"testing"
	"time"

	"velocrustum/core/refuse"
	"velocrustum/core/refuse/goldentest"
	"velocrustum/internal/api"
	"velocrustum/internal/api/apitest"
)

// own is what is another each time: ids, marks and addresses.
var (
	own = regexp.MustCompile(`("(?:mark|id|key|url)":)"[^"]*"`)
	// split is a second that is split finer than machines agree on.
	split = regexp.MustCompile(`(T\d\d:\d\d:\d\d)\.\d+Z`)
	uuid  = regexp.MustCompile(`[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}`)
)

func masked(raw []byte) []byte {
	return uuid.ReplaceAll(own.ReplaceAll(raw, []byte(`$1""`)), []byte("own"))
}

// recorder asks a kitchen, and keeps what it answers.
type recorder struct {
	k *kitchen
	f goldentest.File
}

func (r *recorder) ask(what, method, path, body string) json.RawMessage {
	r.k.T.Helper()
	w := r.k.Send(method, "/api/v1"+path, body)
	if w.Code >= 300 {
		r.k.T.Fatalf("%s: %d %s", what, w.Code, w.Body)
	}
	var one any
	if raw := masked(w.Body.Bytes()); json.Unmarshal(raw, &one) == nil {
		r.f.Add(r.k.T, what, without(one, "plan", "planned", "fryer", "timeline", "chance"))
	} else {
		r.f.Addf(what, "%s", masked(w.Body.Bytes()))
	}
	return w.Body.Bytes()
}

// without leaves out what is said each time, or held elsewhere.
func without(v any, names ...string) any {
	switch v := v.(type) {
	case map[string]any:
		for k := range v {
			if v[k] = without(v[k], names...); slices.Contains(names, k) {
				delete(v, k)
			}
		}
	case []any:
		for i := range v {
			v[i] = without(v[i], names...)
		}
	}
	return v
}

// A dish from the counter to the logbook, as it is told after each thing that is said.
func TestACookIsToldAsItWasRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	r := &recorder{k: k}
	for _, plan := range get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "") {
		if len(plan.Lots) < 2 {
			continue
		}
		c := get[api.Cook](k, 201, "POST", "/api/v1/cooks", fmt.Sprintf(`{"planId": %q}`, plan.Id))
		at := "/cooks/" + c.Id
		say := func(wait time.Duration, body string) {
			t.Helper()
			k.Wait(wait)
			r.ask(plan.Name+" "+body, "POST", at+"/events", body)
		}
		say(4*time.Minute, `{"kind":"loaded"}`)
		say(9*time.Minute, `{"kind":"probe","value":41.5}`)
		say(2*time.Minute, `{"kind":"turned"}`)
		say(3*time.Minute, `{"kind":"look","value":1}`)
		r.ask("ahead", "GET", at+"/ahead", "")
		say(time.Minute, `{"kind":"soft"}`)
		say(time.Minute, `{"kind":"more","value":3}`)
		say(6*time.Minute, `{"kind":"probe","value":77}`)
		say(2*time.Minute, `{"kind":"out"}`)
		r.ask("rated", "PUT", at+"/outcome", `{"crust":"soft","inside":"juicy","note":"A little salt."}`)
		r.ask("table", "GET", at+"/tables/events", "")
		k.Wait(time.Hour)
	}
	cook := get[[]struct {
		Id string `json:"id"`
	}](k, 200, "GET", "/api/v1/cooks", "")[0]
	r.ask("left out", "PUT", "/cooks/"+cook.Id+"/left-out", `{"leftOut": true}`)
	for _, path := range []string{"/cooks", "/how-right", "/liked", "/fryers", "/settings"} {
		r.ask(path, "GET", path, "")
	}
	for _, f := range get[[]api.Fryer](k, 200, "GET", "/api/v1/fryers", "") {
		r.ask("learnt of "+f.Name, "GET", "/fryers/"+f.ID+"/learnt", "")
	}
	files := apitest.Unpacked(t, apitest.TakenAway(k))
	for _, name := range []string{"logbook.csv", "events.csv"} {
		for i, line := range strings.Split(string(masked(files[name])), "\r\n") {
			if i%4 == 0 {
				r.f.Addf(name, "%s", line)
			}
		}
	}
	r.f.Same(t, "cook.txt")
}

// Suppers, sheets and an evening, as they are told.
func TestAnEveningIsToldAsItWasRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	r := &recorder{k: k}
	r.ask("suppers", "GET", "/suppers", "")
	e := begun(t, k)
	r.ask("begun", "GET", "/evenings/"+e.Id, "")
	for i := range 40 {
		if e.Course.Over || len(e.Course.Now) == 0 {
			k.Wait(2 * time.Minute)
			e = get[api.LiveEvening](k, 200, "GET", "/api/v1/evenings/"+e.Id, "")
			continue
		}
		k.Wait(70 * time.Second)
		e = tap(k, e)
		switch {
		case i == 5:
			r.ask("eight come", "POST", "/evenings/"+e.Id+"/events", `{"kind": "people", "people": 8}`)
		case i%12 == 11:
			r.ask(fmt.Sprintf("after %d", i+1), "GET", "/evenings/"+e.Id, "")
		}
	}
	r.f.Same(t, "evening.txt")
}

// What is worked out of a dish, each in its own answer.
func TestADishIsWorkedAsItWasRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	r := &recorder{k: k}
	r.ask("catalog", "GET", "/catalog", "")
	for n, plan := range get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "") {
		r.ask(plan.Name+" written", "GET", "/plans/"+plan.Id+"/recipe?as=markdown", "")
		if n%4 > 0 {
			continue
		}
		raw, err := json.Marshal(map[string]any{"lots": plan.Lots, "bench": plan.Bench, "program": plan.Program, "fryerId": plan.FryerId})
		if err != nil {
			t.Fatal(err)
		}
		for _, path := range []string{"/simulations", "/pan"} {
			if w := k.Send("POST", "/api/v1"+path, string(raw)); w.Code == 200 {
				r.f.Add(t, plan.Name+path, json.RawMessage(masked(w.Body.Bytes())))
			}
		}
	}
	for _, from := range []string{`{"kind": "oil", "tempC": 175, "minutes": 9}`, `{"kind": "oven", "tempC": 200, "minutes": 30}`} {
		r.ask("from "+from, "POST", "/conversions", `{"request": `+wings+`, "recipe": `+from+`}`)
	}
	r.ask("baskets", "POST", "/baskets", wings)
	r.ask("portrait", "POST", "/fryer-portraits", `{"fryer": {"name": "Drawer", "kind": "drawer", "powerW": 1500, "airflow": 1, "dialOffsetC": 0, "basket": {"shape": "rectangle", "widthMm": 230, "depthMm": 230}, "dial": {"minC": 80, "maxC": 200, "stepC": 5}}}`)
	r.ask("guess", "POST", "/fryer-guesses", `{"kind": "drawer", "litres": 5.5, "powerW": 1700}`)
	for _, text := range []string{"2 tbsp", "1 1/2 cups", "1 to 2 tsp", "0.5 kg", "3 fl oz"} {
		r.ask(text, "POST", "/amounts", fmt.Sprintf(`{"ingredient": "honey", "text": %q}`, text))
	}
	r.f.Same(t, "dishes.txt")
}

// What is kept is refused in a cook's words, or taken, as it was read, when one thing of it
// is spoilt: dishes, fryers, suppers, marinades, coats, sauces, mixes, settings, ratings.
func TestWhatIsSpoiltIsRefusedAsItWasRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	var f goldentest.File
	r := rand.New(rand.NewPCG(17, 1))
	try := func(name, method, path string, document any, times int) {
		t.Helper()
		for n := range times {
			what, raw := goldentest.Spoil(t, r, document)
			at := fmt.Sprint(name, " ", n, " ", what)
			w := k.Send(method, "/api/v1"+path, string(raw))
			var p api.Problem
			if w.Code >= 400 && json.Unmarshal(w.Body.Bytes(), &p) == nil && p.Errors != nil {
				for _, e := range *p.Errors {
					f.Addf(at, "%d %s | %s", w.Code, e.Field, masked([]byte(e.Says)))
				}
				continue
			}
			if w.Code >= 400 {
				f.Addf(at, "%d %s", w.Code, masked(w.Body.Bytes()))
				continue
			}
			sum := sha256.Sum256(masked(w.Body.Bytes()))
			f.Addf(at, "%d %x", w.Code, sum[:6])
		}
	}
	for i, plan := range get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "") {
		var in api.PlanInput
		if err := json.Unmarshal([]byte(apitest.Body(t, plan)), &in); err != nil {
			t.Fatal(err)
		}
		try(fmt.Sprint("dish ", i), "POST", "/plans", in, 20)
	}
	for i, one := range get[[]api.Fryer](k, 200, "GET", "/api/v1/fryers", "") {
		var in map[string]any
		if err := json.Unmarshal([]byte(apitest.Body(t, one)), &in); err != nil {
			t.Fatal(err)
		}
		delete(in, "id")
		delete(in, "version")
		try(fmt.Sprint("fryer ", i), "POST", "/fryers", in, 40)
	}
	for i, one := range get[[]api.Supper](k, 200, "GET", "/api/v1/suppers", "") {
		var in api.Supper
		if err := json.Unmarshal([]byte(apitest.Body(t, one)), &in); err != nil {
			t.Fatal(err)
		}
		try(fmt.Sprint("supper ", i), "PUT", "/suppers/"+one.ID, in, 40)
	}
	try("settings", "PATCH", "/settings", map[string]any{"temperature": "C", "mass": "g", "aboveSeaM": 300, "fridgeC": 5.5, "guidance": "uk", "thermometerC": 0.5}, 30)
	f.Same(t, "spoilt.txt")
}

// Whatever is said of cooks and of an evening, in time or not, done again and taken back,
// is told or refused as it was read.
func TestWhateverIsSaidIsToldAsItWasRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	var f goldentest.File
	ask := func(at, method, path, body string) []byte {
		w := k.Send(method, "/api/v1"+path, body)
		raw := split.ReplaceAll(masked(w.Body.Bytes()), []byte("$1Z"))
		var one struct {
			Step     json.RawMessage `json:"step"`
			Shown    json.RawMessage `json:"shown"`
			Asks     json.RawMessage `json:"asks"`
			Changed  json.RawMessage `json:"changed"`
			Foreseen *struct {
				SafeByMin, CrispAtMin, OverAtMin, MoreMin *float64
				Says                                      string
			} `json:"foreseen"`
			Course *struct {
				Says string `json:"says"`
			} `json:"course"`
			Detail string         `json:"detail"`
			Errors []refuse.Field `json:"errors"`
		}
		f.Addf(at, "%d %s %s", w.Code, method, body)
		if json.Unmarshal(raw, &one) == nil {
			f.Add(t, at+" is", one)
		}
		return w.Body.Bytes()
	}
	r := rand.New(rand.NewPCG(18, 1))
	kinds := []string{"probe", "look", "soft", "floury", "raw", "more", "set", "turned", "skip", "dialled", "left-in", "taken-out", "out", "rested", "stop", "loaded"}
	say := func(lots int) string {
		e := map[string]any{"kind": kinds[r.IntN(len(kinds))], "value": []float64{1, 2, 46, 71, 80, 190}[r.IntN(6)]}
		if lots > 1 {
			e["lot"] = r.IntN(lots + 1)
		}
		if r.IntN(3) == 0 {
			e["where"] = []string{"front", "back"}[r.IntN(2)]
		}
		if r.IntN(3) == 0 {
			e["probe"] = "simulated-thermometer"
		}
		return apitest.Body(t, e)
	}
	plans := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")
	for n := range 4 {
		plan := plans[(5*n+1)%len(plans)]
		c := get[api.Cook](k, 201, "POST", "/api/v1/cooks", fmt.Sprintf(`{"planId": %q}`, plan.Id))
		for i := range 16 {
			at := fmt.Sprint(plan.Name, " ", i)
			k.Wait(time.Duration(20+r.IntN(160)) * time.Second)
			switch now := get[api.Cook](k, 200, "GET", "/api/v1/cooks/"+c.Id, ""); {
			case i == 0:
				ask(at, "POST", "/cooks/"+c.Id+"/events", `{"kind": "loaded"}`)
			case r.IntN(8) == 0 && len(now.Events) > 0:
				ask(at, "DELETE", "/cooks/"+c.Id+"/events/"+now.Events[r.IntN(len(now.Events))].Id, "")
			default:
				ask(at, "POST", "/cooks/"+c.Id+"/events", say(len(plan.Lots)))
			}
		}
		ask(plan.Name+" out", "POST", "/cooks/"+c.Id+"/events", `{"kind": "out"}`)
		ask(plan.Name+" rated", "PUT", "/cooks/"+c.Id+"/outcome", fmt.Sprintf(`{"crust": %q, "inside": %q}`, []string{"pale", "soft", "hard", "as-i-like-it"}[n], []string{"juicy", "good", "dry", "raw"}[n]))
		ask(plan.Name+" next", "POST", "/cooks/"+c.Id+"/next-time", "")
		k.Wait(time.Hour)
	}
	f.Same(t, "said.txt")
}
