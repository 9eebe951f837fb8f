package program

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"math"
	"strings"
	"testing"

	"velocrustum/core/fryer"
	"velocrustum/core/refuse"
)

func FuzzDecode(f *testing.F) {
	f.Add([]byte(`{"load":{"cut":"prawn","pieces":3,"pieceMassG":16},"program":{"stages":[{"airC":200,"minutes":6}]}}`))
	f.Add([]byte(`{"load":{"cut":"potato-cube","pieces":40,"pieceMassG":8,"startC":-2,"thicknessMm":20},"coat":{"id":"paste","oilG":1e9},"program":{"preheatMin":1,"stages":[{"airC":60,"minutes":0.5},{"airC":240,"minutes":3}],"turns":[{"atMin":1,"kind":"shake"},{"atMin":0,"kind":"flip"}]},"guidance":"uk"}`))
	f.Add([]byte(`{"load":{"pieces":1e400}}`))
	f.Add([]byte(`{"fryer":{"basket":{"shape":"round","diameterMm":100},"airflow":2,"powerW":3500,"kind":"oven","roomC":45}}`))
	f.Fuzz(func(t *testing.T, raw []byte) {
		q, err := refuse.Decode[Request](bytes.NewReader(raw))
		var fields refuse.Fields
		if err != nil {
			if !errors.As(err, &fields) || fields[0].Field == "" || fields[0].Allowed == "" {
				t.Fatalf("refused without a field: %v", err)
			}
			return
		}
		if len(q.Program.Stages) > 0 {
			q.Program.Stages[0].Minutes = math.Min(q.Program.Stages[0].Minutes, 5)
		}
		a, err := Simulate(context.Background(), q, Options{NoChance: true})
		if err != nil {
			if !errors.As(err, &fields) {
				t.Fatalf("failed: %v", err)
			}
			return
		}
		// What is answered is a number everywhere, or JSON refuses it.
		if _, err := json.Marshal(a); err != nil {
			t.Fatalf("%s: %v", raw, err)
		}
		for _, m := range a.Timeline {
			if m.CoreC < -5 || m.CoreC > 260 || m.MassLossPct < -60 || m.MassLossPct > 100 {
				t.Fatalf("%s: %+v", raw, m)
			}
		}
	})
}

func TestDefaultsAreTheNamedOnes(t *testing.T) {
	t.Parallel()
	q := Request{Load: Load{Cut: "prawn", Pieces: 5, PieceMassG: 16}, Program: Program{Stages: []Stage{{AirC: 200, Minutes: 8}}}}
	full := q
	full.Load.StartC, full.Load.Surface = ptr(5.0), "wiped"
	full.Coat = &Coat{ID: "bare"}
	full.Fryer = &Fryer{Kind: "drawer", PowerW: ptr(1500.0), Airflow: ptr(1.0), RoomC: ptr(21.0), Basket: &fryer.Basket{Shape: "rectangle", WidthMm: 230, DepthMm: 230}}
	full.Guidance, full.CrustWanted = "us", ptr(60.0)
	a, _ := json.Marshal(quick(t, q))
	b, _ := json.Marshal(quick(t, full))
	if !bytes.Equal(a, b) {
		t.Error("left out and spelt out differ")
	}
}

func TestAllThatIsWrongIsSaidAtOnce(t *testing.T) {
	t.Parallel()
	q := Request{Load: Load{Cut: "x", Pieces: -1, PieceMassG: math.NaN()}, Coat: &Coat{ID: "y"}, Program: Program{PreheatMin: 99}, Guidance: "z"}
	var fields refuse.Fields
	if err := Check(q); !errors.As(err, &fields) {
		t.Fatal(err)
	}
	text := fields.Error()
	for _, name := range []string{"load.cut", "load.pieces", "load.pieceMassG", "coat.id", "program.preheatMin", "program.stages", "guidance"} {
		if !strings.Contains(text, name+":") {
			t.Errorf("nothing is said of %s in\n%s", name, text)
		}
	}
}

func TestTheSlowestPieceDecides(t *testing.T) {
	t.Parallel()
	q := Request{Load: Load{Cut: "chicken-wing-flat", Pieces: 12, PieceMassG: 42}, Program: Program{PreheatMin: 3, Stages: []Stage{{AirC: 190, Minutes: 30}}}}
	one := quick(t, q)
	q.Load.Pieces = 24
	two := quick(t, q)
	if one.Layers != 1 || two.Layers != 2 {
		t.Fatalf("layers %d and %d", one.Layers, two.Layers)
	}
	if *two.SafeAtMin < *one.SafeAtMin+1 {
		t.Errorf("two layers are safe at %.1f, one at %.1f", *two.SafeAtMin, *one.SafeAtMin)
	}
	// A shake mixes them, a flip does not.
	q.Program.Turns = []Turn{{AtMin: 6, Kind: Flip}}
	flipped := quick(t, q)
	q.Program.Turns = []Turn{{AtMin: 6, Kind: Shake}}
	if shaken := quick(t, q); *shaken.SafeAtMin > *flipped.SafeAtMin-0.5 {
		t.Errorf("shaken safe at %.1f, flipped at %.1f", *shaken.SafeAtMin, *flipped.SafeAtMin)
	}
}

// warned returns the warning of a code, or nil.
func warned(a Answer, code string) *Warning {
	for i := range a.Warnings {
		if a.Warnings[i].Code == code {
			return &a.Warnings[i]
		}
	}
	return nil
}

// pressed is a request with a warning's change made.
func pressed(q Request, c Change) Request {
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
	t.Parallel()
	has := warned
	q := Request{Load: Load{Cut: "chicken-drumstick", Pieces: 4, PieceMassG: 115}, Program: Program{PreheatMin: 4, Stages: []Stage{{AirC: 190, Minutes: 12}}}, TailMin: 25}
	w := has(answered(t, q), "under-rule")
	if w == nil || w.Change == nil || !strings.HasPrefix(w.Change.Label, "Let it run ") || !strings.HasPrefix(w.Change.Gives, "crust ") {
		t.Fatalf("12 minutes: %+v", w)
	}
	if again := answered(t, pressed(q, *w.Change)); has(again, "under-rule") != nil || has(again, "rule-in-doubt") != nil || !again.Verdict.Ready {
		t.Errorf("after %q: %+v", w.Change.Label, again.Verdict)
	} else if got := fmt.Sprintf("crust %.0f, juice %.0f %%", math.Floor(again.End.Crust), math.Floor(again.End.JuiceKeptPct)); got != w.Change.Gives {
		t.Errorf("promised %s, gives %s", w.Change.Gives, got)
	}

	crumb := Request{Load: Load{Cut: "chicken-breast-cutlet", Pieces: 2, PieceMassG: 130}, Coat: &Coat{ID: "three-bowl-crumb", OilG: 8},
		Program: Program{PreheatMin: 4, Stages: []Stage{{AirC: 195, Minutes: 12}}, Turns: []Turn{{AtMin: 1, Kind: Flip}}}}
	w = has(answered(t, crumb), "tears")
	if w == nil || w.Change == nil {
		t.Fatal("a crumb turned in the first minute does not tear")
	}
	crumb = pressed(crumb, *w.Change)
	if again := quick(t, crumb); has(again, "tears") != nil {
		t.Errorf("still tears after %q", w.Change.Label)
	}

	// A look moves nothing, and so tears nothing.
	crumb.Program.Turns = []Turn{{AtMin: 1, Kind: LookIn}}
	if again := quick(t, crumb); has(again, "tears") != nil {
		t.Error("a coat tears by being looked at")
	}

	for code, q := range map[string]Request{
		"sugar":     {Load: Load{Cut: "chicken-drumstick", Pieces: 4, PieceMassG: 115}, Coat: &Coat{ID: "oil-rub", OilG: 4, SugarPct: 3}, Program: Program{PreheatMin: 4, Stages: []Stage{{AirC: 175, Minutes: 22}}, Turns: []Turn{{AtMin: 11, Kind: Flip}}}},
		"layered":   {Load: Load{Cut: "potato-wedge", Pieces: 40, PieceMassG: 32}, Program: Program{Stages: []Stage{{AirC: 190, Minutes: 20}}}},
		"smoke":     {Load: Load{Cut: "pork-belly-slice", Pieces: 4, PieceMassG: 42}, Program: Program{Stages: []Stage{{AirC: 200, Minutes: 12}}}},
		"lifts":     {Load: Load{Cut: "prawn", Pieces: 8, PieceMassG: 16}, Coat: &Coat{ID: "flour-dust"}, Program: Program{Stages: []Stage{{AirC: 190, Minutes: 8}}}},
		"rinse":     {Load: Load{Cut: "chicken-drumette", Pieces: 8, PieceMassG: 48, Surface: "wet"}, Program: Program{Stages: []Stage{{AirC: 190, Minutes: 20}}}},
		"wet-patch": {Load: Load{Cut: "prawn", Pieces: 8, PieceMassG: 16, Surface: "wet"}, Coat: &Coat{ID: "starch-dust", OilG: 4}, Program: Program{Stages: []Stage{{AirC: 190, Minutes: 8}}}},
	} {
		if w := has(quick(t, q), code); w == nil || w.Message == "" || w.Field == "" {
			t.Errorf("no %q warning", code)
		}
	}
}

func TestWarningsSayWhen(t *testing.T) {
	t.Parallel()
	find := func(a Answer, code string) *Warning {
		for i := range a.Warnings {
			if a.Warnings[i].Code == code {
				return &a.Warnings[i]
			}
		}
		return nil
	}
	dust := Request{Load: Load{Cut: "prawn", Pieces: 8, PieceMassG: 16}, Coat: &Coat{ID: "flour-dust"}, Program: Program{Stages: []Stage{{AirC: 190, Minutes: 8}}}}
	if w := find(quick(t, dust), "lifts"); w == nil || w.AtMin == nil || *w.AtMin != 0 || !strings.Contains(w.Message, "until minute") {
		t.Errorf("a light coat: %+v", w)
	}
	belly := Request{Load: Load{Cut: "pork-belly-slice", Pieces: 4, PieceMassG: 42}, Program: Program{Stages: []Stage{{AirC: 170, Minutes: 9}, {AirC: 200, Minutes: 6}}}}
	if w := find(quick(t, belly), "smoke"); w == nil || w.AtMin == nil || *w.AtMin != 9 {
		t.Errorf("fat over 190 °C: %+v", w)
	}
	wet := Request{Load: Load{Cut: "chicken-drumette", Pieces: 8, PieceMassG: 48, Surface: "wet"}, Program: Program{Stages: []Stage{{AirC: 190, Minutes: 20}}}}
	w := find(answered(t, wet), "rinse")
	if w == nil || w.Change == nil || w.Change.Surface != "wiped" {
		t.Fatalf("rinsed poultry: %+v", w)
	}
	wet = pressed(wet, *w.Change)
	if find(quick(t, wet), "rinse") != nil {
		t.Error("what was proposed does not mend it")
	}
	burnt := Request{Load: Load{Cut: "duck-leg", Pieces: 2, PieceMassG: 230}, Program: Program{PreheatMin: 4, Stages: []Stage{{AirC: 200, Minutes: 50}}}}
	if w := find(quick(t, burnt), "overdone"); w == nil || w.AtMin == nil || *w.AtMin >= 50 {
		t.Errorf("fifty minutes: %+v", w)
	}
}

// What the food gives, the fryer gets: over whole cooks, with turns, a rest
// and an opened drawer, the water that left the pieces is the steam that the
// cavity was told of and the drip, and no heat is made on the way.
func TestALoadAndItsFryerBalance(t *testing.T) {
	t.Parallel()
	for name, q := range map[string]Request{
		"flipped": dozenWings(),
		"two layers, shaken": {Load: Load{Cut: "potato-wedge", Pieces: 30, PieceMassG: 32}, Coat: &Coat{ID: "oil-rub", OilG: 10},
			Program: Program{Stages: []Stage{{AirC: 195, Minutes: 24}}, Turns: []Turn{{AtMin: 8, Kind: Shake}, {AtMin: 16, Kind: Shake}}}},
		"crumbed": {Load: Load{Cut: "fish-strip", Pieces: 8, PieceMassG: 36}, Coat: &Coat{ID: "three-bowl-crumb", OilG: 8},
			Program: Program{PreheatMin: 3, Stages: []Stage{{AirC: 200, Minutes: 12}}, Turns: []Turn{{AtMin: 6, Kind: Flip}}}},
	} {
		s, err := resolve(q)
		if err != nil {
			t.Fatal(err)
		}
		r, err := newRun(&s, nominal, standard)
		if err != nil {
			t.Fatal(err)
		}
		r.carry(nil)
		for i := range r.classes {
			b := r.classes[i].body
			l := b.Ledger()
			if lost := l.StartWater - b.Water(); math.Abs(lost-l.Vapour-l.Drip) > 0.001*lost {
				t.Errorf("%s: %.4f kg/m² of water left, %.4f as steam and %.4f as drip", name, lost, l.Vapour, l.Drip)
			}
			if spent := b.StoredHeat() - l.StartHeat + l.Latent + l.Carried; math.Abs(spent-l.Heat) > 0.005*l.Heat {
				t.Errorf("%s: %.0f J/m² in, %.0f stored and spent", name, l.Heat, spent)
			}
		}
	}
}

func TestFiguresOfTheBenchHaveLimits(t *testing.T) {
	t.Parallel()
	for field, change := range map[string]func(q *Request){
		"load.surfaceWaterG": func(q *Request) { q.Load.SurfaceWaterG = ptr(40.0) },
		"load.spreadPct":     func(q *Request) { q.Load.SpreadPct = ptr(-1.0) },
		"coat.saltPct":       func(q *Request) { q.Coat.SaltPct = 50 },
		"program.hotFromC":   func(q *Request) { q.Program.HotFromC = 900 },
		"fryer.dial.stepC":   func(q *Request) { q.Fryer = &Fryer{Dial: &Dial{80, 200, 0}} },
	} {
		q := dozenWings()
		change(&q)
		var errs refuse.Fields
		if err := Check(q); !errors.As(err, &errs) || errs[0].Field != field || errs[0].Allowed == "" {
			t.Errorf("%s gave %v", field, err)
		}
	}
	// A figure in the place of a word says the same as the word.
	q := dozenWings()
	word := quick(t, q)
	q.Load.SurfaceWaterG = ptr(0.3)
	if figure := quick(t, q); *figure.SafeAtMin != *word.SafeAtMin {
		t.Errorf("wiped is safe at %g, 0.3 g/100 cm² at %g", *word.SafeAtMin, *figure.SafeAtMin)
	}
	last := -1.0
	for _, water := range []float64{-1, 0, 0.3, 1, 2.5, 4} {
		q.Load.SurfaceWaterG = &water
		if at := orLate(quick(t, q).SafeAtMin); at < last-0.05 {
			t.Errorf("%g g/100 cm² of water are safe at %.2f, less of it at %.2f", water, at, last)
		} else {
			last = at
		}
	}
}
