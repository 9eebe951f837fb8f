package larder

import (
	"math"
	"slices"
	"testing"
)

// The allergens that are named, as labels in Europe and North America have
// them.
var known = []string{"wheat", "barley", "egg", "milk", "soy", "fish", "crustaceans", "molluscs", "sesame", "mustard", "nuts", "peanuts", "celery"}

// What is in 100 g is not more than 100 g; a spoon of it weighs what a spoon
// can; who has it in the name has it among the allergens.
func TestTheShelf(t *testing.T) {
	seen := map[string]bool{}
	for _, i := range Ingredients() {
		if seen[i.ID] || i.ID == "" || i.Name == "" || i.Role == "" || i.Source == "" {
			t.Errorf("%+v: twice, or without a name, a role or a source", i)
		}
		seen[i.ID] = true
		if err := i.Check(); err != nil {
			t.Errorf("%s as it ships is refused: %v", i.ID, err)
		}
		if sum := i.Salt + i.Carb + i.Fat + i.Protein + i.Acid; sum > 101 || i.Sugar > i.Carb+0.01 {
			t.Errorf("%s: %.1f g in 100, sugar %.1f of %.1f", i.ID, sum, i.Sugar, i.Carb)
		}
		if w := i.Water(); w < 0 || w > 100 || i.Role != Raising && w+i.Salt+i.Carb+i.Fat+i.Protein+i.Acid > 101 {
			t.Errorf("%s: %.1f g of water", i.ID, w)
		}
		if i.Density < 0.15 || i.Density > 1.5 {
			t.Errorf("%s: %g g/ml", i.ID, i.Density)
		}
		if s := i.Stiffness(); s < 0 || s > 6 || i.Form == Powder && s != 0 {
			t.Errorf("%s: body %g", i.ID, s)
		}
		for _, a := range i.Allergens {
			if !slices.Contains(known, a) {
				t.Errorf("%s holds %q, which is no allergen that is named", i.ID, a)
			}
		}
		if i.IsSalt() != (i.Salt >= 90) {
			t.Errorf("%s: a salt or not", i.ID)
		}
	}
	for id, a := range map[string]string{"wheat-flour": "wheat", "crumbs": "wheat", "coarse-crumbs": "wheat", "semolina": "wheat", "soy-light": "soy", "soy-dark": "soy", "miso": "soy", "teriyaki-style": "soy",
		"hoisin-style": "soy", "egg": "egg", "mayonnaise": "egg", "butter": "milk", "cream": "milk", "yoghurt": "milk", "buttermilk": "milk", "milk": "milk", "hard-cheese": "milk", "mustard": "mustard",
		"fish-sauce": "fish", "worcester-style": "fish", "prawn-paste": "crustaceans", "oyster-style": "molluscs", "sesame": "sesame", "sesame-oil": "sesame", "tahini": "sesame", "almonds": "nuts",
		"peanuts": "peanuts", "celery-salt": "celery", "cornflakes": "barley"} {
		i, err := Shelf(id)
		if err != nil || !slices.Contains(i.Allergens, a) {
			t.Errorf("%s does not say that it holds %s (%v)", id, a, err)
		}
	}
	if _, err := Shelf("moonshine"); err == nil {
		t.Error("what is not there is found")
	}
}

func TestMixturesAddUp(t *testing.T) {
	honey, _ := Shelf("honey")
	soy, _ := Shelf("soy-light")
	var a, b, both Totals
	a.Add(honey, 100)
	b.Add(soy, 50)
	both.Add(honey, 100)
	both.Add(soy, 50)
	if a.Plus(b) != both {
		t.Errorf("%+v and %+v are not %+v", a, b, both)
	}
	if half := both.Part(0.5).Plus(both.Part(0.5)); math.Abs(half.SaltG-both.SaltG) > 1e-12 || math.Abs(half.Kcal()-both.Kcal()) > 1e-9 {
		t.Errorf("two halves are %+v", half)
	}
	if both.MassG != 150 || both.SaltG != 7.5 || math.Abs(a.Kcal()-328) > 1e-9 {
		t.Errorf("%+v, honey %.0f kcal", both, a.Kcal())
	}
}
