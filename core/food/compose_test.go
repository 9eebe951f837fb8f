package food

import (
	"errors"
	"math"
	"testing"

	"velocrustum/core/larder"
	"velocrustum/core/refuse"
)

func composed(t *testing.T, layers ...CoatLayer) Coat {
	t.Helper()
	c, err := Compose(layers, larder.Shelf)
	if err != nil {
		t.Fatal(err)
	}
	return c
}

func mix(parts ...Mixed) CoatLayer { return CoatLayer{Parts: parts} }

// The named coats were weighed, bitten and set before they were composed: what
// they are made of now comes out near that, within what was told of weighing.
func TestNamedCoatsAsTheyWereWeighed(t *testing.T) {
	for _, w := range []struct {
		id                                string
		dry, wet, fat, half, browns, oils float64
	}{
		{"starch-dust", 1.75, 0.25, 0, 0.44, 0.9, 0.3},
		{"flour-dust", 2.15, 0.35, 0, 0.40, 1.4, 0.4},
		{"flour-starch", 2.6, 0.4, 0, 0.36, 1.4, 0.4},
		{"double-dredge", 7.2, 3.6, 0.4, 0.36, 1.3, 0.8},
		{"three-bowl-crumb", 9.1, 3.5, 0.5, 0.66, 1.6, 0.8},
		{"low-carb-crumb", 5.2, 3.0, 2.6, 0.65, 1.5, 0.4},
		{"paste", 3.2, 2.8, 0.1, 0.22, 1.8, 0.6},
	} {
		c, err := FindCoat(w.id)
		if err != nil {
			t.Fatal(err)
		}
		var all Stuck
		for _, l := range c.Stuck {
			all.Dry, all.Wet, all.Fat = all.Dry+l.Dry, all.Wet+l.Wet, all.Fat+l.Fat
		}
		for _, f := range []struct {
			what            string
			got, want, slip float64
		}{
			{"dry", all.Dry, w.dry, 0.25 * w.dry}, {"wet", all.Wet, w.wet, max(0.1, 0.25*w.wet)}, {"fat", all.Fat, w.fat, max(0.25, 0.4*w.fat)},
			{"half", c.Half, w.half, 0.01}, {"browns", c.Browns, w.browns, 0.11}, {"oil", c.NeedsOil, w.oils, 0.06},
		} {
			if math.Abs(f.got-f.want) > f.slip {
				t.Errorf("%s: %s %.2f, was weighed at %.2f", w.id, f.what, f.got, f.want)
			}
		}
	}
}

// What is mixed in small steps changes in small steps, and lies between what
// it is mixed of.
func TestBlendsAreEven(t *testing.T) {
	at := func(starch float64) Coat {
		return composed(t, mix(Mixed{"wheat-flour", math.Max(0.01, 1-starch)}, Mixed{"potato-starch", math.Max(0.01, starch)}), only("egg"),
			mix(Mixed{"coarse-crumbs", math.Max(0.01, 1-starch)}, Mixed{"crackling", math.Max(0.01, starch)}))
	}
	before := at(0)
	for k := 1; k <= 40; k++ {
		now := at(float64(k) / 40)
		for _, d := range []float64{(now.Half - before.Half) / 0.5, (now.NeedsOil - before.NeedsOil) / 0.8, now.Browns - before.Browns, (grams(now) - grams(before)) / grams(before)} {
			if math.Abs(d) > 0.06 {
				t.Fatalf("a fortieth more starch and crackling jumps by %.2f of it: %+v, before %+v", d, now, before)
			}
		}
		before = now
	}
}

func grams(c Coat) (g float64) {
	for _, l := range c.Stuck {
		g += l.grams()
	}
	return g
}

func TestWhatACoatIsMadeOfDecides(t *testing.T) {
	crumb := composed(t, only("egg"), only("coarse-crumbs"))
	crackling := composed(t, only("egg"), only("crackling"))
	coconut := composed(t, only("egg"), mix(Mixed{"coconut-sweet", 1}, Mixed{"coarse-crumbs", 1}))
	bare := composed(t, only("coarse-crumbs"))
	mustard := composed(t, mix(Mixed{"mustard", 1}, Mixed{"honey", 1}), only("coarse-crumbs"))
	if crackling.Starchy || !crumb.Starchy || crackling.NeedsOil >= crumb.NeedsOil {
		t.Errorf("crackling has its own fat and no starch: %+v", crackling)
	}
	if coconut.Sugar < 3*crumb.Sugar || mustard.Sugar < crumb.Sugar+0.5 {
		t.Errorf("sugar of coconut %.2f, of mustard and honey %.2f, of crumbs %.2f", coconut.Sugar, mustard.Sugar, crumb.Sugar)
	}
	if grams(bare) > 0.6*grams(crumb) || bare.Covers >= crumb.Covers || !bare.Light {
		t.Errorf("without a binder crumbs hold as with one: %+v", bare)
	}
	// Twice as much on is twice the weight.
	heavy := composed(t, CoatLayer{only("wheat-flour").Parts, 5})
	if light := composed(t, CoatLayer{only("wheat-flour").Parts, 2.5}); math.Abs(grams(heavy)-2*grams(light)) > 1e-9 {
		t.Errorf("%.2f g of twice %.2f", grams(heavy), grams(light))
	}
	hurried, rested := heavy.Rested(3), heavy.Rested(20)
	if !hurried.Light || rested.Light {
		t.Error("a dust of flour holds once it has hydrated")
	}
	if dredged := composed(t, only("wheat-flour"), only("egg"), only("wheat-flour")); dredged.Rested(3).Sets <= dredged.Sets || dredged.Rested(12).Sets != dredged.Sets {
		t.Errorf("rest sets adhesion: %g after 3 min, %g after 12, %g", dredged.Rested(3).Sets, dredged.Rested(12).Sets, dredged.Sets)
	}
}

// Every pair of a binder and a layer that the larder can make is a coat that
// can be cooked, and holds all that is in its parts.
func TestEveryCompositionIsWhole(t *testing.T) {
	n := 0
	for _, binder := range larder.Ingredients() {
		for _, over := range larder.Ingredients() {
			if over.Form == "" || binder.IsSalt() {
				continue
			}
			c := composed(t, only(binder.ID), only(over.ID))
			n++
			holds := map[string]bool{}
			sum := 0.0
			for _, b := range c.Bowls {
				holds[b.Ingredient] = true
				sum += b.Sticks
			}
			if !holds[binder.ID] || !holds[over.ID] || math.Abs(sum-grams(c)-c.LooseWater-c.LooseFat) > 1e-9 {
				t.Fatalf("%s and %s: bowls %v hold %.2f g of %.2f", binder.ID, over.ID, c.Bowls, sum, grams(c))
			}
			for _, l := range c.Stuck {
				if l.Dry < 0 || l.Wet < 0 || l.Fat < 0 || l.Density < 400 || l.Pores < 0 || l.Pores > 0.5 || l.DryK < 0.05 {
					t.Fatalf("%s and %s: %+v", binder.ID, over.ID, l)
				}
			}
			if c.Half < 0.1 || c.Half > 1 || c.Browns < 0.5 || c.Browns > 2 || c.NeedsOil < 0 || c.Covers <= 0 || c.Covers > 1 {
				t.Fatalf("%s and %s: %+v", binder.ID, over.ID, c)
			}
		}
	}
	if n < 500 {
		t.Errorf("only %d compositions", n)
	}
}

func TestWhatCannotBeACoat(t *testing.T) {
	five := []CoatLayer{only("egg"), only("egg"), only("egg"), only("egg"), only("egg")}
	for what, layers := range map[string][]CoatLayer{
		"coat.layers":                        five,
		"coat.layers[0].parts":               {{}},
		"coat.layers[0].parts[0].ingredient": {only("sawdust")},
		"coat.layers[0].parts[0].share":      {mix(Mixed{"egg", -1})},
		"coat.layers[1].sticks":              {only("egg"), {only("crumbs").Parts, 90}},
	} {
		_, err := Compose(layers, larder.Shelf)
		var fields refuse.Fields
		if !errors.As(err, &fields) || fields[0].Field != what {
			t.Errorf("%s: %v", what, err)
		}
	}
}
