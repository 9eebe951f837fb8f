package prep

import (
	"context"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/verdict"
)

// What is on the plate against food tables of cooked cuts (USDA FoodData
// Central: chicken wing and drumstick, meat and skin, roasted; pork belly,
// worked forward from raw by the USDA Table of Cooking Yields), g in 100 g of
// what is eaten.
func TestThePlateAgreesWithFoodTables(t *testing.T) {
	for _, c := range []struct {
		cut                 string
		pieces              int
		massG, airC, min    float64
		fat, protein        [2]float64
		lossFrom, lossUntil float64 // percent of the raw piece
	}{
		{"chicken-wing-flat", 12, 42, 195, 20, [2]float64{17, 20.5}, [2]float64{24, 31}, 22, 34},
		{"chicken-drumstick", 4, 115, 190, 24, [2]float64{8, 13.5}, [2]float64{24, 31}, 18, 32},
		{"pork-belly-slice", 8, 42, 190, 16, [2]float64{42, 56}, [2]float64{14, 22}, 30, 45},
		{"chicken-breast-cutlet", 2, 130, 190, 12, [2]float64{1.5, 5}, [2]float64{26, 34}, 12, 30},
	} {
		q := load.Request{Load: load.Pieces{Cut: c.cut, Pieces: c.pieces, PieceMassG: c.massG}, Coat: &load.Covering{ID: "bare"},
			Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: c.airC, Minutes: c.min}}, Turns: []load.Turn{{AtMin: c.min / 2, Kind: load.Flip}}}}
		a, err := verdict.Simulate(context.Background(), q, verdict.Options{NoChance: true})
		if err != nil {
			t.Fatal(err)
		}
		kept := Losses{MassLossPct: a.End.MassLossPct}
		if f := a.End.FatRenderedPct; f != nil {
			kept.FatRenderedPct = *f
		}
		plate, _ := Serve(LotOf(cutOf(t, c.cut), c.massG, 0, c.pieces), Coated{Coat: coatOf(t, "bare")}, Totals{}, Totals{}, 1, kept)
		fat, protein := 100*plate.FatG/plate.MassG, 100*plate.ProteinG/plate.MassG
		t.Logf("%s: fat %.1f, protein %.1f in 100 g, %.0f %% lost", c.cut, fat, protein, a.End.MassLossPct)
		if fat < c.fat[0] || fat > c.fat[1] || protein < c.protein[0] || protein > c.protein[1] {
			t.Errorf("%s: fat %.1f and protein %.1f g in 100 g, want %v and %v", c.cut, fat, protein, c.fat, c.protein)
		}
		if a.End.MassLossPct < c.lossFrom || a.End.MassLossPct > c.lossUntil {
			t.Errorf("%s: %.1f %% lost, want %g to %g", c.cut, a.End.MassLossPct, c.lossFrom, c.lossUntil)
		}
	}
}
