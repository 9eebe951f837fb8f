package recipe

import (
	"math"
	"strings"
	"testing"

	"velocrustum/core/food"
)

// What was once misread in silence: each is read now, or said to be left out.
func TestNothingIsMisreadInSilence(t *testing.T) {
	t.Parallel()
	of := func(food, step string, more ...string) Understood {
		t.Helper()
		return read(t, Text{Name: "Supper", Ingredients: lines(append([]string{food}, more...)...), Steps: []string{step}})
	}
	// A machine that warms up is no food that was cooked before, nor are its minutes the food's.
	warm := of("8 chicken thighs, about 1.2 kg", "Set the fryer to 190°C and let it warm up for 5 min. Cook for 25 min.")
	if warm.Load.State != "" || warm.Program == nil || warm.Program.PreheatMin != 5 || warm.Program.Minutes() != 25 {
		t.Errorf("a fryer that warms up: %+v, %+v", warm.Load, warm.Program)
	}
	after := of("6 chicken drumsticks", "Air fry at 200°C for 22 minutes, turning once. Leftovers reheat well: 180°C for 5 minutes.")
	if after.Load.State != "" || after.Program == nil || after.Program.Minutes() != 22 {
		t.Errorf("leftovers of the meal: %+v, %+v", after.Load, after.Program)
	}
	side := of("4 pork schnitzels", "Fry in the air fryer, preheated to 200°C, 6 mins a side.")
	if side.Program == nil || side.Program.Minutes() != 12 {
		t.Errorf("six minutes a side: %+v", side.Program)
	}
	bare := of("4 chicken drumsticks", "180°C, 24 min.")
	if bare.Program == nil || bare.Program.Minutes() != 24 || !strings.Contains(strings.Join(bare.Missing, "; "), "in what it is cooked") {
		t.Errorf("in what is not said: %+v, %v", bare.Program, bare.Missing)
	}
	for text, g := range map[string]float64{"4 x 150g cod fillets": 150, "4 (6-oz) cod fillets": 170, "2 × 180 g salmon fillets": 180, "4 pork chops (about 125g each)": 125} {
		if got := of(text, "Air fry at 190°C for 10 min.").Load.PieceMassG; math.Abs(got-g) > 1 {
			t.Errorf("%s: %g g each, want %g", text, got, g)
		}
	}
	// Raw fish that is yet to be crumbed comes plain out of the freezer, whatever the dish is called.
	fish := read(t, Text{Name: "Fish & chips", Ingredients: lines("4 cod fillets, frozen", "80 g breadcrumbs"), Steps: []string{"Crumb and air fry at 190°C for 14 min."}})
	if fish.Load.State == string(food.ParFried) || fish.Load.StartC == nil {
		t.Errorf("frozen and to be crumbed: %+v", fish.Load)
	}
	if l := of("500 g turkey mince", "Shape into patties and air fry at 190°C for 12 min.", "4 burger buns, to serve"); l.Load.Cut != "patty-poultry" {
		t.Errorf("burgers of turkey are %s", l.Load.Cut)
	}
	for text, g := range map[string]float64{"Juice of ½ a lemon": 22.5, "juice of 1 lemon": 45, "juice from half a lime": 15} {
		if l := of("4 chicken drumsticks", "Air fry at 190°C for 22 min.", text).Lines[1]; math.Abs(l.G-g) > 1 {
			t.Errorf("%s: %g g of %s", text, l.G, l.Ingredient)
		}
	}
	// An amount that stands in a step alone is said to be left out, and its line is open.
	for step, what := range map[string]string{
		"Air fry at 190°C for 22 min, brushing with 3 tbsp BBQ sauce for the last 3 minutes.": "3 tbsp BBQ sauce",
		"Air fry at 190°C for 22 min. Toss in ¼ cup honey, warmed.":                           "¼ cup honey",
	} {
		if l := of("4 chicken drumsticks", step).Lines[1]; l.Understood || !strings.Contains(l.Says, what) {
			t.Errorf("%q: %+v", step, l)
		}
	}
	if l := of("4 chicken drumsticks", "Rub with 1 tbsp of the paprika and air fry at 190°C for 22 min.", "2 tbsp paprika").Lines[2]; strings.Contains(l.Says, "own line") {
		t.Errorf("what a line has is asked for again: %s", l.Says)
	}
}
