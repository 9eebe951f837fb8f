package advise

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/verdict"
)

// Pressing the first change that is offered, again and again, ends in at most
// four presses in a plan without the first warning, or one that says why not:
// each press clears what it is offered for, none makes a ready load worse, and
// none brings a program back that was left.
func TestChangesEndWell(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	t.Run("by the nominal load", func(t *testing.T) { changesEndWell(t, loadtest.Cases(120), true) })
	t.Run("by 95 loads in 100", func(t *testing.T) { changesEndWell(t, loadtest.Cases(14), false) })
}

func changesEndWell(t *testing.T, plans int, alone bool) {
	r := rand.New(rand.NewPCG(9, 9))
	first := func(a verdict.Answer) *verdict.Warning {
		if i := slices.IndexFunc(a.Warnings, func(w verdict.Warning) bool { return w.Change != nil }); i >= 0 {
			return &a.Warnings[i]
		}
		return nil
	}
	answered := func(t *testing.T, q load.Request) verdict.Answer {
		t.Helper()
		s, err := load.Of(q)
		if err != nil {
			t.Fatal(err)
		}
		a, err := verdict.Of(t.Context(), s, !alone)
		if err == nil {
			err = Changes(t.Context(), s, &a, !alone)
		}
		if err != nil {
			t.Fatal(err)
		}
		return a
	}
	offered, none := 0, 0
	for n := range plans {
		q := loadtest.AnyPlan(r)
		a := answered(t, q)
		seen := []load.Program{q.Program}
		began := first(a)
		for press := 0; press < 4; press++ {
			w := first(a)
			if w == nil {
				break
			}
			offered++
			next := pressed(q, *w.Change)
			if err := load.Check(next); err != nil {
				t.Errorf("plan %d, %q: %v", n, w.Change.Label, err)
				break
			}
			b := answered(t, next)
			if warned(b, w.Code) != nil {
				t.Errorf("plan %d, %s in %s: %q leaves %q", n, q.Load.Cut, q.Coat.ID, w.Change.Label, w.Code)
			}
			if a.Verdict.Ready && !b.Verdict.Ready {
				t.Errorf("plan %d, %s in %s: %q turns %s into %s", n, q.Load.Cut, q.Coat.ID, w.Change.Label, a.Verdict.Figure, b.Verdict.Figure)
			}
			if graver(&a, &b) {
				t.Errorf("plan %d, %s in %s: %q brings %s to %s", n, q.Load.Cut, q.Coat.ID, w.Change.Label, a.Verdict.Standing, b.Verdict.Standing)
			}
			for _, s := range next.Program.Stages {
				if s.AirC != (load.Dial{MinC: 80, MaxC: 200, StepC: 5}).Nearest(s.AirC) {
					t.Errorf("plan %d: %g °C is not on the dial", n, s.AirC)
				}
			}
			if w.Change.Program != nil && slices.ContainsFunc(seen, func(p load.Program) bool { return p.Same(next.Program) }) {
				t.Errorf("plan %d: %q brings back a program that was left", n, w.Change.Label)
			}
			seen = append(seen, next.Program)
			q, a = next, b
		}
		if began != nil {
			if w := warned(a, began.Code); w != nil && w.Change != nil {
				t.Errorf("plan %d, %s in %s: after four presses %q is back and offers %q", n, q.Load.Cut, q.Coat.ID, w.Code, w.Change.Label)
			}
		}
		for _, w := range a.Warnings {
			if slices.Contains(timely, w.Code) && w.Change == nil {
				none++
			}
		}
	}
	t.Logf("%d changes pressed, %d warnings say why there is none", offered, none)
	if offered < plans/2 {
		t.Errorf("only %d changes were offered", offered)
	}
}

// warned returns the warning of a code, or nil.
func warned(a verdict.Answer, code verdict.Code) *verdict.Warning {
	for i := range a.Warnings {
		if a.Warnings[i].Code == code {
			return &a.Warnings[i]
		}
	}
	return nil
}

// pressed is a request with a warning's change made.
func pressed(q load.Request, c verdict.Change) load.Request {
	switch {
	case c.Program != nil:
		q.Program = *c.Program
	case c.Surface != "":
		q.Load.Surface = c.Surface
	case c.ThicknessMm != nil:
		q.Load.ThicknessMm = c.ThicknessMm
	case c.OilG != nil:
		coat := *q.Coat
		coat.OilG = *c.OilG
		q.Coat = &coat
	case c.PerBasket > 0:
		if q.Coat != nil {
			coat := *q.Coat
			coat.OilG *= float64(c.PerBasket) / float64(q.Load.Pieces)
			q.Coat = &coat
		}
		q.Load.Pieces = c.PerBasket
	}
	return q
}

func TestWarningsProposeWhatMends(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	has := warned
	q := load.Request{Load: load.Pieces{Cut: "chicken-drumstick", Pieces: 4, PieceMassG: 115}, Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 190, Minutes: 12}}}, TailMin: 25}
	w := has(answered(t, q), "under-rule")
	if w == nil || w.Change == nil || !strings.HasPrefix(w.Change.Label, "Let it run ") || !strings.HasPrefix(w.Change.Gives, "crust ") {
		t.Fatalf("12 minutes: %+v", w)
	}
	if again := answered(t, pressed(q, *w.Change)); has(again, "under-rule") != nil || has(again, "rule-in-doubt") != nil || !again.Verdict.Ready {
		t.Errorf("after %q: %+v", w.Change.Label, again.Verdict)
	} else if got := fmt.Sprintf("crust %.0f, juice %.0f %%", math.Floor(again.End.Crust), math.Floor(again.End.JuiceKeptPct)); got != w.Change.Gives {
		t.Errorf("promised %s, gives %s", w.Change.Gives, got)
	}

	crumb := load.Request{Load: load.Pieces{Cut: "chicken-breast-cutlet", Pieces: 2, PieceMassG: 130}, Coat: &load.Covering{ID: "three-bowl-crumb", OilG: 8},
		Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 195, Minutes: 12}}, Turns: []load.Turn{{AtMin: 1, Kind: load.Flip}}}}
	w = has(answered(t, crumb), "tears")
	if w == nil || w.Change == nil {
		t.Fatal("a crumb turned in the first minute does not tear")
	}
	crumb = pressed(crumb, *w.Change)
	if again := quick(t, crumb); has(again, "tears") != nil {
		t.Errorf("still tears after %q", w.Change.Label)
	}

	// A look moves nothing, and so tears nothing.
	crumb.Program.Turns = []load.Turn{{AtMin: 1, Kind: load.LookIn}}
	if again := quick(t, crumb); has(again, "tears") != nil {
		t.Error("a coat tears by being looked at")
	}

	for code, q := range map[verdict.Code]load.Request{
		"sugar":       {Load: load.Pieces{Cut: "chicken-drumstick", Pieces: 4, PieceMassG: 115}, Coat: &load.Covering{ID: "oil-rub", OilG: 4, SugarPct: 3}, Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 175, Minutes: 22}}, Turns: []load.Turn{{AtMin: 11, Kind: load.Flip}}}},
		"layered":     {Load: load.Pieces{Cut: "potato-wedge", Pieces: 40, PieceMassG: 32}, Program: load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 20}}}},
		"smoke":       {Load: load.Pieces{Cut: "pork-belly-slice", Pieces: 4, PieceMassG: 42}, Program: load.Program{Stages: []load.Stage{{AirC: 200, Minutes: 12}}}},
		"lifts":       {Load: load.Pieces{Cut: "prawn", Pieces: 8, PieceMassG: 16}, Coat: &load.Covering{ID: "flour-dust"}, Program: load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 8}}}},
		"wet-surface": {Load: load.Pieces{Cut: "chicken-drumette", Pieces: 8, PieceMassG: 48, Surface: "wet"}, Program: load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 20}}}},
		"wet-patch":   {Load: load.Pieces{Cut: "prawn", Pieces: 8, PieceMassG: 16, Surface: "wet"}, Coat: &load.Covering{ID: "starch-dust", OilG: 4}, Program: load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 8}}}},
	} {
		if w := has(quick(t, q), code); w == nil || w.Message == "" || w.Field == "" {
			t.Errorf("no %q warning", code)
		}
	}
}

func TestWarningsSayWhen(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	find := warned
	dust := load.Request{Load: load.Pieces{Cut: "prawn", Pieces: 8, PieceMassG: 16}, Coat: &load.Covering{ID: "flour-dust"}, Program: load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 8}}}}
	if w := find(quick(t, dust), "lifts"); w == nil || w.AtMin == nil || *w.AtMin != 0 || !strings.Contains(w.Message, "until minute") {
		t.Errorf("a light coat: %+v", w)
	}
	belly := load.Request{Load: load.Pieces{Cut: "pork-belly-slice", Pieces: 4, PieceMassG: 42}, Program: load.Program{Stages: []load.Stage{{AirC: 170, Minutes: 9}, {AirC: 200, Minutes: 6}}}}
	if w := find(quick(t, belly), "smoke"); w == nil || w.AtMin == nil || *w.AtMin != 9 {
		t.Errorf("fat over 190 °C: %+v", w)
	}
	wet := load.Request{Load: load.Pieces{Cut: "chicken-drumette", Pieces: 8, PieceMassG: 48, Surface: "wet"}, Program: load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 20}}}}
	w := find(answered(t, wet), "wet-surface")
	if w == nil || w.Change == nil || w.Change.Surface != "wiped" {
		t.Fatalf("wet poultry: %+v", w)
	}
	wet = pressed(wet, *w.Change)
	if find(quick(t, wet), "wet-surface") != nil {
		t.Error("what was proposed does not mend it")
	}
	burnt := load.Request{Load: load.Pieces{Cut: "duck-leg", Pieces: 2, PieceMassG: 230}, Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 200, Minutes: 50}}}}
	if w := find(quick(t, burnt), "overdone"); w == nil || w.AtMin == nil || *w.AtMin >= 50 {
		t.Errorf("fifty minutes: %+v", w)
	}
}

// answered is a request's answer with its changes, quick that of the nominal
// load without.
func answered(t *testing.T, q load.Request) verdict.Answer {
	t.Helper()
	a, err := Simulate(t.Context(), load.Dish{Request: q}, verdict.Options{})
	if err != nil {
		t.Fatal(err)
	}
	return a
}

func quick(t *testing.T, q load.Request) verdict.Answer {
	t.Helper()
	a, err := verdict.Simulate(t.Context(), q, verdict.Options{NoChance: true})
	if err != nil {
		t.Fatal(err)
	}
	return a
}

// What is not crisp before it is overdone may still be safe a little later: that is offered,
// and not said to be impossible.
func TestSafeAtLeastIsOffered(t *testing.T) {
	t.Parallel()
	q := load.Request{Load: load.Pieces{Cut: "chicken-thigh-chunk", Pieces: 14, PieceMassG: 26}, Coat: &load.Covering{ID: "starch-dust", OilG: 8}, Fryer: &load.Fryer{DialOffsetC: -7, Airflow: new(0.95)},
		Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 170, Minutes: 8}, {AirC: 200, Minutes: 4, Hold: load.HoldWarm, HoldC: new(80.0)}, {AirC: 200, Minutes: 5}}, Turns: []load.Turn{{AtMin: 5, Kind: load.Shake}}}}
	answer := func() verdict.Answer {
		t.Helper()
		a, err := Simulate(t.Context(), load.Dish{Request: q}, verdict.Options{})
		if err != nil {
			t.Fatal(err)
		}
		return a
	}
	a := answer()
	for _, w := range a.Warnings {
		if w.Code != verdict.RuleInDoubt && w.Code != verdict.UnderRule {
			continue
		}
		if w.Change == nil || w.Change.Program == nil || strings.Contains(w.Message, "No time") {
			t.Fatalf("%s: %+v", w.Message, w.Change)
		}
		q.Program = *w.Change.Program
		if after := answer(); after.Warns(verdict.RuleInDoubt, verdict.UnderRule, verdict.Overdone) || verdict.Past(*after.Verdict.SafeAtMin, q.Program.Minutes()) {
			t.Errorf("%s: %s %+v", w.Change.Label, after.Verdict.Says, after.Warnings)
		}
		return
	}
	t.Errorf("nothing is in doubt: %+v", a.Warnings)
}
