package api_test

import (
	"bufio"
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"time"

	"velocrustum/core/advise"
	"velocrustum/core/baskets"
	"velocrustum/core/ensemble"
	"velocrustum/internal/api"
)

func TestWaysComeInLinesWithProgress(t *testing.T) {
	k := newKitchen(t, "")
	w := k.Send("POST", "/api/v1/recommendations?want=crisper", wings)
	if w.Code != http.StatusOK || w.Header().Get("Content-Type") != "application/x-ndjson" {
		t.Fatalf("%d %s: %s", w.Code, w.Header().Get("Content-Type"), w.Body)
	}
	var lines []api.RecommendationLine
	scan := bufio.NewScanner(bytes.NewReader(w.Body.Bytes()))
	scan.Buffer(nil, 1<<22)
	for scan.Scan() {
		var l api.RecommendationLine
		if err := json.Unmarshal(scan.Bytes(), &l); err != nil {
			t.Fatal(err)
		}
		lines = append(lines, l)
	}
	last := lines[len(lines)-1]
	if len(lines) != len(advise.Ways)+1 || last.Recommendation == nil || *lines[0].Done != 1 || *lines[0].Of != len(advise.Ways) {
		t.Fatalf("%d lines, the last %+v", len(lines), last)
	}
	for _, p := range last.Recommendation.Ways {
		for _, s := range p.Program.Stages {
			if s.AirC > 190 || int(s.AirC)%10 != 0 {
				t.Errorf("%s wants %g °C of a dial from 90 to 190 by tens", p.Way, s.AirC)
			}
		}
	}
	if !w.Flushed {
		t.Error("progress was not sent as it came")
	}
}

func TestASearchEndsWithItsReader(t *testing.T) {
	k := newKitchen(t, "")
	ctx, cancel := context.WithCancel(t.Context())
	r := httptest.NewRequestWithContext(ctx, "POST", "http://localhost/api/v1/recommendations",
		strings.NewReader(strings.Replace(wings, `"pieces": 12`, `"pieces": 30`, 1)))
	r.Header.Set("Content-Type", "application/json")
	done := make(chan string)
	go func() {
		w := httptest.NewRecorder()
		k.Handler.ServeHTTP(w, r)
		done <- w.Body.String()
	}()
	cancel()
	select {
	case body := <-done:
		if strings.Contains(body, "recommendation") {
			t.Error("a search that was given up still answered")
		}
	case <-time.After(20 * time.Second):
		t.Error("a search goes on without a reader")
	}
}

func TestWorkbenchRefusesInWords(t *testing.T) {
	k := newKitchen(t, "")
	for _, c := range []struct{ path, body, field string }{
		{"recommendations?want=fluffier", wings, "want"},
		{"recommendations", strings.Replace(wings, "chicken-wing-flat", "brick", 1), "load.cut"},
		{"conversions", `{"request": ` + wings + `, "recipe": {"kind": "pan", "tempC": 180, "minutes": 5}}`, "recipe.kind"},
		{"conversions", `{"request": ` + wings + `, "recipe": {"kind": "oil", "tempC": 480, "minutes": 5}}`, "recipe.tempC"},
		{"conversions", `{"request": ` + wings + `}`, "recipe"},
		{"baskets", with(wings, `"perBasket": 40`), "perBasket"},
		{"baskets", strings.Replace(wings, `"pieces": 12`, `"pieces": 900`, 1), "load.pieces"},
		{"simulations", with(wings, `"fryerId": "nobody's"`), "fryerId"},
		{"fryer-guesses", `{"kind": "drawer", "litres": 400}`, "litres"},
		{"fryer-guesses", `{"kind": "kettle"}`, "kind"},
	} {
		p := get[api.Problem](k, http.StatusUnprocessableEntity, "POST", "/api/v1/"+c.path, c.body)
		if p.Errors == nil || (*p.Errors)[0].Field != c.field || (*p.Errors)[0].Allowed == "" {
			t.Errorf("%s: %+v, want %s named", c.path, p.Errors, c.field)
		}
	}
}

func TestConvertAndBatch(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	c := get[advise.Conversion](k, 200, "POST", "/api/v1/conversions", `{"request": `+wings+`, "recipe": {"kind": "preset", "tempC": 200, "minutes": 8}}`)
	if c.Fit != "short" || c.Proposal == nil || c.Says == "" {
		t.Errorf("eight minutes: %+v", c)
	}
	fryers := get[[]api.Fryer](k, 200, "GET", "/api/v1/fryers", "")
	b := get[baskets.Batchings](k, 200, "POST", "/api/v1/baskets",
		with(strings.Replace(wings, `"pieces": 12`, `"pieces": 22`, 1), `"perBasket": 11, "fryerId": "`+fryers[0].ID+`", "secondFryerId": "`+fryers[1].ID+`"`))
	if len(b.Batchings) != 3 {
		t.Errorf("%d batchings", len(b.Batchings))
	}
}

func TestFryersAreMadePutAsideAndBroughtBack(t *testing.T) {
	k := newKitchen(t, "")
	guess := get[api.FryerInput](k, 200, "POST", "/api/v1/fryer-guesses", `{"kind": "oven", "litres": 20}`)
	if len(guess.Inferred) < 3 || guess.Trays != 2 {
		t.Fatalf("%+v", guess)
	}
	body, err := json.Marshal(guess)
	if err != nil {
		t.Fatal(err)
	}
	f := get[api.Fryer](k, 201, "POST", "/api/v1/fryers", string(body))
	if f.Trays != 2 || len(f.Inferred) != len(guess.Inferred) {
		t.Errorf("kept as %+v", f)
	}
	get[any](k, 204, "DELETE", "/api/v1/fryers/"+f.ID, "")
	get[api.Problem](k, 404, "DELETE", "/api/v1/fryers/"+f.ID, "")
	if back := get[api.Fryer](k, 200, "POST", "/api/v1/fryers/"+f.ID+"/restore", ""); *back.PowerW != *f.PowerW {
		t.Errorf("back as %+v", back)
	}
	// One that a dish needs stays.
	used := get[[]api.Plan](k, 200, "GET", "/api/v1/plans", "")[0].FryerId
	if p := get[api.Problem](k, 409, "DELETE", "/api/v1/fryers/"+used, ""); p.Detail == nil {
		t.Error("no reason is given")
	}
}

func TestABasketfulIsCookedAsItself(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	per := 11
	p := planned(k, func(in *api.PlanInput) {
		(*in.Lots)[0].Load.Pieces, (*in.Lots)[0].Coat.OilG, in.PerBasket = 25, 10, &per
	})
	first := start(k, p.Id, 1)
	if first.Baskets != 3 || first.Basket != 1 || first.Plan.Lots[0].Load.Pieces != 11 || first.Plan.Lots[0].Coat.OilG != 4.4 {
		t.Errorf("first: basket %d of %d, %d pieces, %g g of oil", first.Basket, first.Baskets, first.Plan.Lots[0].Load.Pieces, first.Plan.Lots[0].Coat.OilG)
	}
	get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+first.Id+"/events", `{"kind": "stop"}`)
	third := start(k, p.Id, 3)
	if third.Plan.Lots[0].Load.Pieces != 3 || third.Plan.Program.HotFromC == 0 || third.Plan.Program.PreheatMin != 0 {
		t.Errorf("third: %d pieces by %+v", third.Plan.Lots[0].Load.Pieces, third.Plan.Program)
	}
	if third.Step.Phase != "loading" {
		t.Errorf("the fryer is hot, and yet it says %q", third.Step.Title)
	}
	get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+third.Id+"/events", `{"kind": "stop"}`)
	for _, basket := range []int{4, 90} {
		get[api.Problem](k, 422, "POST", "/api/v1/cooks", fmt.Sprintf(`{"planId": %q, "basket": %d}`, p.Id, basket))
	}
}

// The baskets of a dish are one session; each is cooked in it once, unless it
// was given up.
func TestBasketsAreOneSession(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	per := 11
	p := planned(k, func(in *api.PlanInput) { (*in.Lots)[0].Load.Pieces, in.PerBasket = 22, &per })
	in := func(session string, basket int) string {
		return fmt.Sprintf(`{"planId": %q, "basket": %d, "session": %q}`, p.Id, basket, session)
	}
	say := func(c api.Cook, kinds ...string) {
		for _, kind := range kinds {
			get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind": "`+kind+`"}`)
		}
	}
	first := start(k, p.Id, 1)
	say(first, "loaded", "out")
	if pr := get[api.Problem](k, 422, "POST", "/api/v1/cooks", in(first.Session, 1)); (*pr.Errors)[0].Field != "basket" {
		t.Errorf("the first again: %+v", pr.Errors)
	}
	if pr := get[api.Problem](k, 422, "POST", "/api/v1/cooks", in("nobody's", 2)); (*pr.Errors)[0].Field != "session" {
		t.Errorf("an unknown session: %+v", pr.Errors)
	}
	second := get[api.Cook](k, 201, "POST", "/api/v1/cooks", in(first.Session, 2))
	if second.Session != first.Session || second.Basket != 2 {
		t.Errorf("basket %d in session %s", second.Basket, second.Session)
	}
	say(second, "stop")
	say(get[api.Cook](k, 201, "POST", "/api/v1/cooks", in(first.Session, 2)), "loaded", "out")
	if alone := start(k, p.Id, 1); alone.Session == first.Session {
		t.Error("another evening is the same session")
	}
}

func TestTheSecondFryerCooksItsShare(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	k := newKitchen(t, "")
	fryers := get[[]api.Fryer](k, 200, "GET", "/api/v1/fryers", "")
	p := planned(k, func(in *api.PlanInput) {
		(*in.Lots)[0].Load.Pieces, in.FryerId, in.SecondFryerId = 16, fryers[0].ID, &fryers[1].ID
	})
	one := start(k, p.Id, 1)
	get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+one.Id+"/events", `{"kind": "stop"}`)
	two := start(k, p.Id, 2)
	if two.Fryer.Name != fryers[1].Name || one.Plan.Lots[0].Load.Pieces+two.Plan.Lots[0].Load.Pieces != 16 {
		t.Errorf("%d in %s, %d in %s", one.Plan.Lots[0].Load.Pieces, one.Fryer.Name, two.Plan.Lots[0].Load.Pieces, two.Fryer.Name)
	}
	// A fryer cannot help itself.
	in, _ := json.Marshal(api.PlanInput{Name: "x", FryerId: fryers[0].ID, SecondFryerId: &fryers[0].ID, Lots: &p.Lots, Bench: &p.Bench, Program: p.Program})
	if pr := get[api.Problem](k, 422, "POST", "/api/v1/plans", string(in)); (*pr.Errors)[0].Field != "secondFryerId" {
		t.Errorf("%+v", pr.Errors)
	}
}

const twoDrawers = `"fryer": {"name": "Two", "kind": "drawer", "basket": {"shape": "rectangle", "widthMm": 200, "depthMm": 250}, "powerW": 2200, "airflow": 1,
	"dialOffsetC": 0, "dial": {"minC": 80, "maxC": 200, "stepC": 5}, "drawers": 2, "heatUpMin": 5.2, "inferred": ["airflow"]}`

func TestAFryerIsTimedAndPortrayed(t *testing.T) {
	k := newKitchen(t, "")
	in := `{"name": "Two drawers", "kind": "drawer", "basket": {"shape": "rectangle", "widthMm": 180, "depthMm": 215}, "powerW": 2400, "airflow": 1, "drawers": 2,
		"dialOffsetC": 0, "dial": {"minC": 80, "maxC": 200, "stepC": 5}, "heatUpMin": 5.2, "inferred": ["airflow"]}`
	made := get[api.Fryer](k, 201, "POST", "/api/v1/fryers", in)
	for _, f := range get[[]api.Fryer](k, 200, "GET", "/api/v1/fryers", "") {
		if f.ID == made.ID && (f.HeatUpMin == nil || *f.HeatUpMin != 5.2) {
			t.Errorf("kept as %+v", f)
		}
	}
	p := get[ensemble.Portrait](k, 200, "POST", "/api/v1/fryer-portraits", with(`{"dialC": 180}`, twoDrawers))
	if p.DialC != 180 || !p.Timed || len(p.Curve) < 20 || len(p.Wanted) != 1 || p.Wanted[0].Field != "airflow" {
		t.Errorf("portrait %+v", p)
	}
	if w := k.Send("POST", "/api/v1/fryer-portraits", `{`+strings.Replace(twoDrawers, "5.2", "45", 1)+`}`); w.Code != 422 || !strings.Contains(w.Body.String(), "fryer.heatUpMin") {
		t.Errorf("45 minutes to 200 °C: %d %s", w.Code, w.Body)
	}
	// Put back without a time, it is one of its kind again.
	in = strings.Replace(in, `"heatUpMin": 5.2, `, "", 1)
	if f := get[api.Fryer](k, 200, "PUT", "/api/v1/fryers/"+made.ID, in); f.HeatUpMin != nil {
		t.Errorf("forgotten as %v", *f.HeatUpMin)
	}
}
