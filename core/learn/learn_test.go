package learn_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"velocrustum/core/belief"
	"velocrustum/core/learn"
	"velocrustum/core/learn/learntest"
	"velocrustum/core/load"
)

func middling(t testing.TB) *load.Machine {
	t.Helper()
	m, err := load.MachineOf(load.Fryer{})
	if err != nil {
		t.Fatal(err)
	}
	return &m
}

// saw is a cook that says that one figure of a fryer has a value, with a deviation.
func saw(figure int, value, sd float64) learn.Cook {
	s := belief.Site{Cut: "chicken-drumstick", HandSd: 0.03}
	s.Info[figure][figure] = 1 / (sd * sd)
	s.Pull[figure] = value / (sd * sd)
	return learn.Cook{Sites: []belief.Site{s}}
}

// With no cook, or none that says anything, there is nothing; one that does is in
// between what was said and what it says, by how sure each is.
func TestWhatOneCookTeaches(t *testing.T) {
	t.Parallel()
	m := middling(t)
	if _, ok := learn.From(m, nil); ok {
		t.Error("learnt from nothing")
	}
	if _, ok := learn.From(m, []learn.Cook{{}, {}}); ok {
		t.Error("learnt from cooks that say nothing")
	}
	left := saw(load.LearntDial, -4, 1)
	left.LeftOut = true
	if _, ok := learn.From(m, []learn.Cook{left}); ok {
		t.Error("learnt from a cook that is left out")
	}
	k, ok := learn.From(m, []learn.Cook{saw(load.LearntDial, -2, 2)})
	if !ok || k.Cooks != 1 {
		t.Fatalf("%+v", k)
	}
	// Two Gaussians: 0 ± √(9 − 2.25), said, and −2 ± 2. The strange ones and an odd
	// evening move it a little.
	lasting := 9 - 2.25
	mean := -2 * lasting / (lasting + 4)
	if math.Abs(k.Mean[load.LearntDial]-mean) > 0.15 || k.Mean[load.LearntAirflow] != 0 {
		t.Errorf("its air is %.2f °C over its dial, want %.2f; its airflow %.3f, want 0", k.Mean[load.LearntDial], mean, k.Mean[load.LearntAirflow])
	}
	if sd := math.Sqrt(k.Lasting[load.LearntDial][load.LearntDial]); math.Abs(sd-math.Sqrt(lasting*4/(lasting+4))) > 0.2 {
		t.Errorf("that is known within %.2f °C", sd)
	}
	// What no cook spoke of is as sure as before.
	if v := k.Covariance[load.LearntBrowning][load.LearntBrowning]; math.Abs(v-0.125*0.125) > 1e-3*v+1e-4 {
		t.Errorf("browning is known within %.4f, was within %.4f", math.Sqrt(v), 0.125)
	}
}

// Many cooks that agree are believed, whatever was said; one that does not is not, and
// is named.
func TestManyCooksAreBelievedAndOneIsNot(t *testing.T) {
	t.Parallel()
	r := rand.New(rand.NewPCG(1, 1))
	var cooks []learn.Cook
	for range 12 {
		cooks = append(cooks, saw(load.LearntDial, -12+1.5*r.NormFloat64(), 1.5))
	}
	k, _ := learn.From(middling(t), cooks)
	if math.Abs(k.Mean[load.LearntDial]+12) > 1.2 {
		t.Errorf("twelve cooks of -12 °C make %.1f", k.Mean[load.LearntDial])
	}
	cooks[5] = saw(load.LearntDial, 6, 1.5)
	k, _ = learn.From(middling(t), cooks)
	for i := range cooks {
		if k.Odd(i) != (i == 5) {
			t.Errorf("cook %d is as usual with %.2f", i, k.Usual[i])
		}
	}
	if math.Abs(k.Mean[load.LearntDial]+12) > 1.2 {
		t.Errorf("beside an odd one they make %.1f", k.Mean[load.LearntDial])
	}
}

// What somebody changed is learnt anew at once; what nobody said, within a few cooks.
func TestAFryerThatChanges(t *testing.T) {
	t.Parallel()
	var cooks []learn.Cook
	for range 8 {
		cooks = append(cooks, saw(load.LearntAirflow, 0.1, 0.06))
	}
	after := func(n int, said bool) float64 {
		all := append([]learn.Cook{}, cooks...)
		for i := range n {
			c := saw(load.LearntAirflow, -0.2, 0.06)
			c.Changed = said && i == 0
			all = append(all, c)
		}
		k, _ := learn.From(middling(t), all)
		return k.Mean[load.LearntAirflow]
	}
	if told, not := after(1, true), after(1, false); told > -0.1 || not < 0 {
		t.Errorf("after one cook at -0.2: %.3f where it was said that it changed, %.3f where it was not", told, not)
	}
	if at := after(3, false); at > -0.12 {
		t.Errorf("after three cooks at -0.2 it is %.3f", at)
	}
}

// What is learnt keeps to its covariance through a request, and one that is none is
// refused by its name.
func TestLearntIsChecked(t *testing.T) {
	t.Parallel()
	k, _ := learn.From(middling(t), []learn.Cook{saw(load.LearntDial, -5, 1)})
	if err := load.CheckFryer(load.Fryer{Learnt: &k.Learnt}); err != nil {
		t.Error(err)
	}
	k.Covariance[0][0] = -1
	if err := load.CheckFryer(load.Fryer{Learnt: &k.Learnt}); err == nil {
		t.Error("a variance under nothing was taken")
	}
}

func BenchmarkSite(b *testing.B) {
	h := learntest.New(rand.New(rand.NewPCG(1, 1)))
	e := h.Cook(b, learntest.Cuts()[0], 1)
	for b.Loop() {
		if _, err := belief.SitesOf(b.Context(), e.Request, e.Seen, []belief.Outcome{e.Came}); err != nil {
			b.Fatal(err)
		}
	}
}

func BenchmarkProductOfAThousand(b *testing.B) {
	r := rand.New(rand.NewPCG(1, 1))
	cuts := []string{"chicken-drumstick", "chicken-wing-flat", "fish-fillet-white", "pork-loin-cutlet", "chicken-thigh-bone-in", "chicken-thigh-boneless", "salmon-fillet", "beef-strips"}
	cooks := make([]learn.Cook, 1000)
	for i := range cooks {
		cooks[i] = saw(i%load.LearntFigures, 0.1*r.NormFloat64(), 0.2)
		cooks[i].Sites[0].Cut = cuts[i%len(cuts)]
	}
	m := middling(b)
	for b.Loop() {
		learn.From(m, cooks)
	}
}

// A change that no cook came after makes all less sure, and nothing odd.
func TestAChangeSinceTheLastCook(t *testing.T) {
	t.Parallel()
	var cooks []learn.Cook
	for range 6 {
		cooks = append(cooks, saw(load.LearntAirflow, 0.1, 0.06))
	}
	before, _ := learn.From(middling(t), cooks)
	after, _ := learn.From(middling(t), append(cooks, learn.Cook{Changed: true}))
	a, b := before.Lasting[load.LearntAirflow][load.LearntAirflow], after.Lasting[load.LearntAirflow][load.LearntAirflow]
	if b < 4*a || math.Abs(after.Mean[load.LearntAirflow]-before.Mean[load.LearntAirflow]) > 0.02 {
		t.Errorf("known within %.3f, and after a change within %.3f; %.3f and %.3f", math.Sqrt(a), math.Sqrt(b), before.Mean[0], after.Mean[0])
	}
	for i := range cooks {
		if after.Odd(i) {
			t.Errorf("cook %d is odd", i)
		}
	}
}
