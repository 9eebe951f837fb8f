package load_test

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"math"
	"strings"
	"testing"

	"velocrustum/core/food"
	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/refuse"
	"velocrustum/core/verdict"
)

// A request is read as JSON; what is wrong with it is said by field.
func ExampleDecode() {
	_, err := refuse.Decode[load.Request](strings.NewReader(`{"load": {"cut": "prawn", "pieces": "six", "pieceMassG": 16}}`))
	fmt.Println(err)
	// Output: load.pieces: "six" is not possible; allowed: a whole number
}

// What comes from the freezer is taken as cold as freezers are, with its ice; what
// cannot be is refused by its field.
func TestFromTheFreezer(t *testing.T) {
	t.Parallel()
	cut, _ := food.FindCut("fish-strip")
	for field, change := range map[string]func(*load.Pieces){
		"":              func(p *load.Pieces) { p.StartC, p.GlazePct, p.State, p.Inside = new(-18.0), 8, "par-fried", "raw" },
		"load.startC":   func(p *load.Pieces) { p.StartC = new(-30.0) },
		"load.glazePct": func(p *load.Pieces) { p.StartC, p.GlazePct = new(4.0), 5 },
		"load.state":    func(p *load.Pieces) { p.State = "boiled" },
		"load.inside":   func(p *load.Pieces) { p.State, p.Inside = "cooked", "raw" },
	} {
		q := loadtest.Typical(cut, "three-bowl-crumb", 190)
		change(&q.Load)
		var fields refuse.Fields
		if err := load.Check(q); (field == "") != (err == nil) || err != nil && (!errors.As(err, &fields) || fields[0].Field != field) {
			t.Errorf("%s: %v", field, err)
		}
	}
}

// Cooked before it has one rule for all classes, less water and the same mass; its
// fat, where its coat was fried, is there without oil.
func TestCookedBefore(t *testing.T) {
	t.Parallel()
	cut, _ := food.FindCut("pork-loin-cutlet")
	of := func(state, inside string) *load.Lot {
		q := loadtest.Typical(cut, "three-bowl-crumb", 190)
		q.Coat.OilG = 0
		q.Load.State, q.Load.Inside = state, inside
		l, err := load.Of(q)
		if err != nil {
			t.Fatal(err)
		}
		return l.Only()
	}
	raw, parFried, heated, cooked := of("", ""), of("par-fried", ""), of("par-fried", "cooked"), of("cooked", "")
	if raw.Rule.CoreC != parFried.Rule.CoreC || heated.Rule.CoreC < 73.8 || cooked.Rule != heated.Rule {
		t.Errorf("rules %g, %g, %g, %g", raw.Rule.CoreC, parFried.Rule.CoreC, heated.Rule.CoreC, cooked.Rule.CoreC)
	}
	if !(cooked.Cut.Flesh.Water < heated.Cut.Flesh.Water && heated.Cut.Flesh.Water < raw.Cut.Flesh.Water) || cooked.MassG != raw.MassG {
		t.Errorf("water %g, %g, %g", cooked.Cut.Flesh.Water, heated.Cut.Flesh.Water, raw.Cut.Flesh.Water)
	}
	if f := cooked.Cut.Flesh; math.Abs(f.Water+f.Protein+f.Fat+f.Carb+f.Ash-1) > 1e-9 {
		t.Errorf("shares of %+v", f)
	}
	if !(parFried.Coating.Oil > raw.Coating.Oil) {
		t.Errorf("oil %g, raw %g", parFried.Coating.Oil, raw.Coating.Oil)
	}
}

func FuzzDecode(f *testing.F) {
	f.Add([]byte(`{"load":{"cut":"prawn","pieces":3,"pieceMassG":16},"program":{"stages":[{"airC":200,"minutes":6}]}}`))
	f.Add([]byte(`{"load":{"cut":"potato-cube","pieces":40,"pieceMassG":8,"startC":-2,"thicknessMm":20},"coat":{"id":"paste","oilG":1e9},"program":{"preheatMin":1,"stages":[{"airC":60,"minutes":0.5},{"airC":240,"minutes":3}],"turns":[{"atMin":1,"kind":"shake"},{"atMin":0,"kind":"flip"}]},"guidance":"uk"}`))
	f.Add([]byte(`{"load":{"pieces":1e400}}`))
	f.Add([]byte(`{"fryer":{"basket":{"shape":"round","diameterMm":100},"airflow":2,"powerW":3500,"kind":"oven","roomC":45}}`))
	f.Fuzz(func(t *testing.T, raw []byte) {
		q, err := refuse.Decode[load.Request](bytes.NewReader(raw))
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
		a, err := verdict.Simulate(context.Background(), q, verdict.Options{NoChance: true})
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
	q := load.Request{Load: load.Pieces{Cut: "prawn", Pieces: 5, PieceMassG: 16}, Program: load.Program{Stages: []load.Stage{{AirC: 200, Minutes: 8}}}}
	full := q
	full.Load.StartC, full.Load.Surface = new(5.0), "wiped"
	full.Coat = &load.Covering{ID: "bare"}
	full.Fryer = &load.Fryer{Kind: "drawer", PowerW: new(1500.0), Airflow: new(1.0), RoomC: new(21.0), Basket: &fryer.Basket{Shape: "rectangle", WidthMm: 230, DepthMm: 230}}
	full.Guidance, full.CrustWanted = "us", new(60.0)
	a, _ := json.Marshal(quick(t, q))
	b, _ := json.Marshal(quick(t, full))
	if !bytes.Equal(a, b) {
		t.Error("left out and spelt out differ")
	}
}

func TestAllThatIsWrongIsSaidAtOnce(t *testing.T) {
	t.Parallel()
	q := load.Request{Load: load.Pieces{Cut: "x", Pieces: -1, PieceMassG: math.NaN()}, Coat: &load.Covering{ID: "y"}, Program: load.Program{PreheatMin: 99}, Guidance: "z"}
	var fields refuse.Fields
	if err := load.Check(q); !errors.As(err, &fields) {
		t.Fatal(err)
	}
	text := fields.Error()
	for _, name := range []string{"load.cut", "load.pieces", "load.pieceMassG", "coat.id", "program.preheatMin", "program.stages", "guidance"} {
		if !strings.Contains(text, name+":") {
			t.Errorf("nothing is said of %s in\n%s", name, text)
		}
	}
}

func TestFiguresOfTheBenchHaveLimits(t *testing.T) {
	t.Parallel()
	for field, change := range map[string]func(q *load.Request){
		"load.surfaceWaterG": func(q *load.Request) { q.Load.SurfaceWaterG = new(40.0) },
		"load.spreadPct":     func(q *load.Request) { q.Load.SpreadPct = new(-1.0) },
		"coat.saltPct":       func(q *load.Request) { q.Coat.SaltPct = 50 },
		"program.hotFromC":   func(q *load.Request) { q.Program.HotFromC = 900 },
		"fryer.dial.stepC":   func(q *load.Request) { q.Fryer = &load.Fryer{Dial: &load.Dial{80, 200, 0}} },
	} {
		q := loadtest.DozenWings()
		change(&q)
		var errs refuse.Fields
		if err := load.Check(q); !errors.As(err, &errs) || errs[0].Field != field || errs[0].Allowed == "" {
			t.Errorf("%s gave %v", field, err)
		}
	}
	// A figure in the place of a word says the same as the word.
	q := loadtest.DozenWings()
	word := quick(t, q)
	q.Load.SurfaceWaterG = new(0.3)
	if figure := quick(t, q); *figure.SafeAtMin != *word.SafeAtMin {
		t.Errorf("wiped is safe at %g, 0.3 g/100 cm² at %g", *word.SafeAtMin, *figure.SafeAtMin)
	}
	last := -1.0
	for _, water := range []float64{-1, 0, 0.3, 1, 2.5, 4} {
		q.Load.SurfaceWaterG = &water
		if at := loadtest.OrLate(quick(t, q).SafeAtMin); at < last-0.05 {
			t.Errorf("%g g/100 cm² of water are safe at %.2f, less of it at %.2f", water, at, last)
		} else {
			last = at
		}
	}
}

// quick is the answer of the nominal load.
func quick(t *testing.T, q load.Request) verdict.Answer {
	t.Helper()
	a, err := verdict.Simulate(t.Context(), q, verdict.Options{NoChance: true})
	if err != nil {
		t.Fatal(err)
	}
	return a
}

// Each preset can be cooked as its packet has it, and is from the freezer.
func TestPresetsCanBeCooked(t *testing.T) {
	t.Parallel()
	ids := map[string]bool{}
	for _, p := range load.Presets {
		l, err := load.Of(load.Request{Lots: []load.LotRequest{{Load: p.Load, Coat: &p.Coat}}, Program: load.Program{Stages: []load.Stage{{AirC: 200, Minutes: 15}}}})
		if err != nil {
			t.Errorf("%s: %v", p.Name, err)
			continue
		}
		if lot := l.Only(); !lot.Frozen() || ids[p.ID] || p.Note == "" || p.FromC < 180 || p.Takes < 10 {
			t.Errorf("%+v", p)
		}
		ids[p.ID] = true
	}
}
