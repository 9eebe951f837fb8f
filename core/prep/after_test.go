package prep

import (
	"math"
	"testing"

	"velocrustum/core/larder"
	"velocrustum/core/pan"
)

// Salt, sugar and all that is eaten of sauces and mixes is in the sums, once,
// and a dry rub makes up what they leave.
func TestWhatComesAfterIsCounted(t *testing.T) {
	p := NewPantry(nil)
	lot := LotOf(cutOf(t, "chicken-drumstick"), 112, 0, 4)
	bench := Bench{Servings: 2, Salting: &Salting{School: "dry", TargetPct: 1.5, Hours: 2}}
	work := func(b Bench) Worked {
		t.Helper()
		w, err := p.Work(lot, coatOf(t, "bare"), 0, b)
		if err != nil {
			t.Fatal(err)
		}
		return w
	}
	plain := work(bench)
	bench.Sauces = []pan.Serving{
		{Name: "soy", Share: 0.5, Sauce: pan.Sauce{School: pan.Thicken, Items: []larder.Item{{Ingredient: "soy-light", G: 60}, {Ingredient: "honey", G: 60}, {Ingredient: "water", G: 60}}}},
		{Name: "dip", How: pan.Beside, Sauce: pan.Sauce{School: pan.Mix, Items: []larder.Item{{Ingredient: "mayonnaise", G: 60}}}},
	}
	bench.Mixes = []Mix{{Name: "dust", Items: []Item{{Ingredient: "salt-fine", G: 1}, {Ingredient: "sesame", G: 3}}, GPerKg: 8, JarG: 20}}
	bench.Finish = []Item{{Ingredient: "lemon-juice", G: 10}, {Ingredient: "salt-flake", G: 1}}
	w := work(bench)
	if len(w.Sauces) != 2 || len(w.Mixes) != 1 {
		t.Fatalf("%d sauces, %d mixes", len(w.Sauces), len(w.Mixes))
	}
	salt := w.Sauces[0].Eaten.SaltG + w.Sauces[1].Eaten.SaltG
	if math.Abs(w.SaltFrom["sauce"]-salt) > 1e-9 || math.Abs(w.SaltFrom["finish"]-w.Mixes[0].SaltG-1) > 1e-9 {
		t.Errorf("salt %v, eaten %.2f and %.2f", w.SaltFrom, salt, w.Mixes[0].SaltG)
	}
	if math.Abs(w.SaltPct-plain.SaltPct) > 0.01 || w.RubG >= plain.RubG {
		t.Errorf("with all it is %.2f %%, rub %.2f g; alone %.2f %%, %.2f g", w.SaltPct, w.RubG, plain.SaltPct, plain.RubG)
	}
	// Sauce for half of the pieces covers half of them.
	whole := bench
	whole.Sauces = []pan.Serving{bench.Sauces[0]}
	whole.Sauces[0].Share = 1
	if all := work(whole); math.Abs(all.Sauces[0].OnFoodG-2*w.Sauces[0].OnFoodG) > 0.01*all.Sauces[0].OnFoodG {
		t.Errorf("half takes %.1f g, all %.1f", w.Sauces[0].OnFoodG, all.Sauces[0].OnFoodG)
	}
	one, deep := w.Serve(2, Losses{})
	none, fried := plain.Serve(2, Losses{})
	later := w.later.MassG / 2
	if math.Abs(one.MassG-none.MassG-later) > 0.5 || math.Abs(deep.MassG-fried.MassG-later) > 0.5 {
		t.Errorf("%.1f and %.1f g more on the plate, %.1f come after", one.MassG-none.MassG, deep.MassG-fried.MassG, later)
	}
	for _, a := range []string{"soy", "wheat", "egg", "mustard", "sesame"} {
		found := false
		for _, have := range w.Allergens {
			found = found || have == a
		}
		if !found {
			t.Errorf("%s is missing from %v", a, w.Allergens)
		}
	}
	if n := w.Mixes[0].Evenings; n == nil || *n != int(math.Floor(20/w.Mixes[0].G))-1 {
		t.Errorf("the jar lasts for %v more", n)
	}
	for id, when := range map[string]string{"salt-flake": WhileHot, "spices": WhileHot, "sugar": WhileHot, "lemon-juice": AtTable, "herbs": AtTable, "sesame": AtTable, "honey": WhileHot} {
		i, err := p.Find(id)
		if err != nil {
			t.Fatal(err)
		}
		if got := moment(i); got != when {
			t.Errorf("%s goes on %q, want %q", id, got, when)
		}
	}
}
