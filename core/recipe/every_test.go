package recipe

import (
	"fmt"
	"testing"

	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/prep"
	"velocrustum/core/units"
)

// Whatever is cooked is written, and read again as the same, by one piece and by
// several.
func TestEveryCutIsReadAgain(t *testing.T) {
	for _, cut := range food.Cuts() {
		for _, n := range []int{1, 3} {
			name := cut.Plural
			if n == 1 {
				name = cut.Name
			}
			said := Text{Name: "Supper", Ingredients: lines(fmt.Sprintf("%d %s of about %g g each (%g g)", n, name, cut.Typical, cut.Typical*float64(n)), "10 g oil"), Steps: []string{"Air fry: 20 min at 190 °C."}}
			got := Understand(said, nil, prep.NewPantry(nil), units.Household{Spoons: units.MetricSpoons})
			if got.Load == nil || got.Load.Cut != cut.ID || got.Load.Pieces != n || got.Load.PieceMassG != cut.Typical {
				t.Errorf("%q is read as %+v", said.Ingredients[0].Text, got.Load)
			}
		}
	}
}

// Every cut goes over the bench and comes to a plate and a written recipe that names
// it, its allergens and its time.
func TestEveryCutIsPlated(t *testing.T) {
	p := prep.NewPantry(nil)
	for _, cut := range food.Cuts() {
		coat := "oil-rub"
		if cut.Group == "Formed and crumbed" {
			coat = "three-bowl-crumb"
		}
		d := prep.BenchDish{Bench: &prep.Bench{Servings: 2, Drying: prep.Drying{School: "wipe"}, Salting: &prep.Salting{School: "dry", TargetPct: 1, Hours: 1}}}
		d.Load, d.Coat = load.Pieces{Cut: cut.ID, Pieces: 1, PieceMassG: cut.Typical}, &load.Covering{ID: coat, OilG: 3}
		d.Program = load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 180, Minutes: 30}}}
		f, err := p.Forecast(t.Context(), d, units.Household{})
		if err != nil {
			t.Errorf("%s: %v", cut.ID, err)
			continue
		}
		if f.Plate.Kcal <= 0 || f.Plate.SaltG <= 0 {
			t.Errorf("%s: %+v", cut.ID, f.Plate)
		}
		for _, a := range cut.Allergens() {
			found := false
			for _, b := range f.Allergens() {
				found = found || a == b
			}
			if !found {
				t.Errorf("%s has %s, the plate does not say so", cut.ID, a)
			}
		}
	}
}
