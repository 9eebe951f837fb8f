package prep

import (
	"math"

	"velocrustum/core/food"
)

// A Plate is what one serving holds.
type Plate struct {
	MassG    float64 `json:"massG"`
	Kcal     float64 `json:"kcal"`
	CarbG    float64 `json:"carbG"`
	FatG     float64 `json:"fatG"`
	ProteinG float64 `json:"proteinG"`
	SaltG    float64 `json:"saltG"`
}

func plateOf(t Totals, servings float64) Plate {
	return Plate{MassG: t.MassG / servings, Kcal: t.Kcal() / servings,
		CarbG: t.CarbG / servings, FatG: t.FatG / servings, ProteinG: t.ProteinG / servings, SaltG: t.SaltG / servings}
}

// Losses is what the cook did to the food, from the engine.
type Losses struct {
	MassLossPct    float64
	FatRenderedPct float64 // of the skin's, wrap's or sliced fat: melted, of which a part leaves
}

// Serve returns a serving as it comes from the basket, from what is kept and
// not from what was mixed, and beside it the same dish deep-fried. What is
// added goes into the basket, what comes later on top of it.
func Serve(lot Lot, coat Coated, added, later Totals, servings float64, kept Losses) (here, deep Plate) {
	var t Totals
	cut, piece, massG, fried := lot.Cut, lot.Piece, lot.MassG(), coat.Coat.Fried
	skin := 0.0
	if cut.SkinMm > 0 {
		skin = math.Min(0.5, piece.Surface*cut.SkinMm/1000/(piece.Volume*(1-cut.Bone)))
	}
	edible := lot.EdibleG()
	mix := func(c food.Composition, g, fatKept float64) {
		t.MassG += g
		t.CarbG += g * c.Carb
		t.FatG += g * c.Fat * fatKept
		t.ProteinG += g * c.Protein
	}
	melted := kept.FatRenderedPct / 100
	fleshFat := 1.0
	if cut.Renders > 0 {
		fleshFat = 1 - food.FleshDrains*melted
	}
	mix(cut.Flesh, edible*(1-skin-cut.Stuffing), fleshFat)
	mix(cut.Skin, edible*skin, 1-cut.SkinDrains()*melted)
	mix(cut.Filling, edible*cut.Stuffing, 1)
	stuck := coat.Kept.Plus(added)
	stuck.FatG += coat.OilG
	stuck.MassG += coat.OilG
	// What is lost is lost by what is eaten: the bone loses nothing.
	lost := kept.MassLossPct / 100 * (massG + coat.Kept.MassG + coat.OilG)
	all := t.Plus(stuck)
	all.MassG -= lost
	here = plateOf(all.Plus(later), servings)
	// In oil the same is in and on it, without the oil of its own, and with
	// what it takes up.
	inOil := t.Plus(coat.Kept).Plus(added)
	inOil.MassG -= lost
	oil := inOil.MassG * fried / (1 - fried)
	inOil.FatG += oil
	inOil.MassG += oil
	return here, plateOf(inOil.Plus(later), servings)
}

// OvenWh is what a domestic oven takes for a cook of so many minutes: 2.2 kW,
// twelve minutes of heating, then on for 60 % of a time half as long again.
func OvenWh(minutes float64) float64 { return 2200 * (12 + 0.6*1.5*minutes) / 60 }

// PanWh is what a deep pan on a hob takes for the same: oil of three times
// the food's weight, at least 1 l, brought from 20 to 175 °C at 2.0 kJ/kg·K;
// the water that boils off; the food brought to 80 °C; over what of it
// the hob brings into the pan, 0.65 (±0.1).
func PanWh(massG, lossPct float64) float64 {
	oil := math.Max(0.92, 3*massG/1000)
	heat := oil*2000*(175-20) + massG/1000*(3400*(80-4)+lossPct/100*2.26e6)
	return heat / 0.65 / 3600
}
