package verdict

import (
	"fmt"
	"math"
	"testing"

	"velocrustum/core/ensemble"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/refuse/goldentest"
	"velocrustum/core/units"
)

// The verdict on each order in which safe, crisp, best and the end may come, and its words,
// are as they were read.
func TestVerdictsOfAllOrdersAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	l, err := load.Of(loadtest.DozenWings()) // 26 minutes
	if err != nil {
		t.Fatal(err)
	}
	minutes := []*float64{nil, new(14.0), new(20.04), new(20.06), new(25.98), new(26.04), new(26.2), new(31.5)}
	for i, safe := range minutes {
		for k, half := range minutes {
			for n, until := range minutes {
				if (i+k+n)%3 == 2 {
					continue // enough of them
				}
				a := Answer{SafeAtMin: safe, CrispAtMin: half, Chance: &Chance{SafeByMin: safe, HalfReadyMin: half, BestUntilMin: until, LookFirstMin: safe, By: []ChanceAt{{Minute: 26, Safe: 0.1 + 0.1*float64(n)}}}}
				j := judging{load: l, lot: l.Lots[0], answer: &a}
				v := j.verdict()
				f.Addf(fmt.Sprint(i, k, n), "%s %s %s | %s | %s | %s | %s %v", v.Standing, v.Figure, v.Unit, v.Says, v.First, v.SafeBy, v.CrispAt, v.Ready)
			}
		}
	}
	f.Same(t, "orders.txt")
}

// What is said of a load, over all that its figures may be, is as it was read: each word has
// its border.
func TestWordsOfALoadAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	for m := 0.0; m < 40; m += 0.3 {
		to := m + 4
		f.Addf(fmt.Sprintf("%.1f min", m), "%s | %s | %s | %s | %s | %s", carriedOnSays(20, &m), span(m, &to), span(20, &m), until(&m), liftsSays(&m), wetPatchSays(&m))
		f.Addf(fmt.Sprintf("%.1f cooks", m), "%s", fromCooksSays(1+int(m), m/8))
		figure, unit := spanOf(m, &to)
		f.Addf(fmt.Sprintf("%.1f span", m), "%s %s %s", figure, unit, sugarSays(m))
		f.Addf(fmt.Sprintf("%.1f not before", m), "%g %g %v", NotBefore(m), NotAfter(m), Past(m, 20.1))
		f.Addf(fmt.Sprintf("%.1f tears", m), "%s %s %s", tearsSays(m, 0.2, 0.6), overdoneSays(m, load.Burnt), paperSays(m/40))
	}
	f.Addf("never", "%s %s %s %s", carriedOnSays(20, nil), until(nil), liftsSays(nil), wetPatchSays(nil))
	for c := -2.0; c < 102; c++ {
		f.Addf(fmt.Sprintf("crust %.0f", c), "%s", crustWords(math.Max(0, c), ""))
		f.Addf(fmt.Sprintf("covered %.2f", c/40), "%s | %s", layeredSays(c/40), crowdedSays(c/40))
	}
	f.Addf("lacquer", "%s", crustWords(70, "sticky"))
	for n := 1.0; n < 5; n++ {
		for _, field := range []string{"load.thicknessMm", "fryer.heatUpMin", "load.spreadPct"} {
			f.Addf(fmt.Sprint("doubt ", n), "%s", doubtSays(ensemble.Narrowing{Field: field, Minutes: n}, units.Household{}))
		}
	}
	for both := 1000.0; both < 2600; both += 40 {
		for _, less := range []float64{200, 480, 500, 900} {
			plug := []PlugMoment{{Minute: 0}, {Minute: 2, W: [2]float64{both - less, less}}, {Minute: 2.8, W: [2]float64{less, both - less}}, {Minute: 9, W: [2]float64{both, 0}}}
			f.Addf(fmt.Sprint("plug ", both, less), "%s | %s", plugSays(plug, 2400), plugSays(plug[:2], 2400))
		}
	}
	f.Same(t, "words.txt")
}
