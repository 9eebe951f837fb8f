package advise

import (
	"fmt"
	"math/rand/v2"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/refuse/goldentest"
	"velocrustum/core/verdict"
)

// Ways, conversions, changes and brushes are as they were read.
func TestAdviceIsAsItWasRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	var f goldentest.File
	for _, w := range Wants {
		f.Addf("weighs "+string(w), "%+v", wantWeights[w])
	}
	for _, q := range []load.Request{loadtest.DozenWings(), loadtest.Usual[0]} {
		d := load.Dish{Request: q}
		a, err := Simulate(t.Context(), d, verdict.Options{})
		if err != nil {
			t.Fatal(err)
		}
		f.Add(t, q.Load.Cut, a)
	}
	r, err := Recommend(t.Context(), loadtest.DozenWings(), Balanced, nil)
	if err != nil {
		t.Fatal(err)
	}
	f.Add(t, "ways", r)
	f.Same(t, "advice.txt")
}

// What is said of plans as cooks make them, good and bad, is as it was read: what to
// change first, and how a brush comes out.
func TestChangesAreAsTheyWereRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	var f goldentest.File
	told := func(name string, q load.Request, chance bool) {
		t.Helper()
		a, err := Simulate(t.Context(), load.Dish{Request: q}, verdict.Options{NoChance: !chance})
		if err != nil {
			f.Addf(name, "%v", err)
			return
		}
		f.Add(t, name+" verdict", a.Verdict)
		f.Add(t, name+" brushed", a.Brushes)
		for _, w := range a.Warnings {
			f.Add(t, name+" warned", w)
		}
	}
	r := rand.New(rand.NewPCG(71, 1))
	for i := range 24 {
		told(fmt.Sprint("plan ", i), loadtest.AnyPlan(r), i%6 == 0)
	}
	for _, at := range []float64{8, 15, 19} {
		for _, g := range []float64{6, 20} {
			for _, lastC := range []float64{170, 200} {
				told(fmt.Sprintf("brushed at %g with %g, %g", at, g, lastC), loadtest.BrushedWings(at, g, lastC), at == 15 && g == 20)
			}
		}
	}
	f.Same(t, "changes.txt")
}

// Ways of many loads, by each want, are as they were read.
func TestWaysAreAsTheyWereRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	var f goldentest.File
	roast := load.Request{Load: load.Pieces{Cut: "chicken-whole", Pieces: 1, PieceMassG: 1300}, Coat: &load.Covering{ID: "oil-rub", OilG: 8}, Program: load.Program{Stages: []load.Stage{{AirC: 170, Minutes: 40}}}}
	plant := load.Request{Load: load.Pieces{Cut: "potato-wedge", Pieces: 20, PieceMassG: 30}, Coat: &load.Covering{ID: "oil-rub", OilG: 12}, Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 190, Minutes: 20}}}}
	for i, q := range []load.Request{roast, plant, loadtest.BrushedWings(15, 12, 185)} {
		want := []Want{Crisper, Sooner, Paler}[i]
		r, err := Recommend(t.Context(), q, want, nil)
		f.Addf(fmt.Sprint("ways ", i), "%s %v", want, err)
		f.Add(t, fmt.Sprint("ways ", i), r)
	}
	f.Same(t, "ways.txt")
}

// Recipes for oil, oven and packet, near and far from what the load needs, are brought to
// the fryer as they were read.
func TestConversionsAreAsTheyWereRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	var f goldentest.File
	for i, q := range []load.Request{loadtest.DozenWings(), loadtest.Usual[2]} {
		for _, from := range FirstFormerWays {
			for k, share := range []float64{0.6, 1, 1.6} {
				if from.Kind != FromPreset && k != i {
					continue
				}
				one := from
				one.Minutes *= share
				c, err := Convert(t.Context(), q, one)
				name := fmt.Sprintf("%s %s %g", q.Load.Cut, from.Kind, share)
				f.Addf(name, "%v", err)
				f.Add(t, name, c)
			}
		}
	}
	f.Same(t, "conversions.txt")
}
