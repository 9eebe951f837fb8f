package food

import "math"

// ThawHours is how long a piece lies in a fridge of so many °C until no ice is left in it,
// from −18 °C, by Plank's formula (Pham, Food Freezing and Thawing Calculations,
// 2014): one layer on a plate, ±40 %.
func (p Piece) ThawHours(fridgeC float64) float64 {
	const (
		ice   = 1050 * 0.7 * iceHeats // J/m³
		still = 8.0                   // W/m²·K on a plate
		k     = 0.5                   // W/m·K, thawed
	)
	over := math.Max(1, fridgeC-thawsAtC)
	d := 2 * p.Half()
	shape := math.Max(1, p.Surface*p.Half()/p.Volume)
	return ice / over * (d/(2*shape*still) + d*d/(8*shape*k)) / 3600
}

const (
	iceHeats = 333600.0 // J/kg
	thawsAtC = -1.0
)

// A State is how far food was cooked before.
type State string

// From raw to what was eaten of before. What is par-fried was in hot fat for a
// minute or two: its coat has set, its inside is as it was, or cooked.
const (
	Raw      State = "raw"
	ParFried State = "par-fried"
	Cooked   State = "cooked"
)

// States lists them.
var States = []State{Raw, ParFried, Cooked}

// What cooking took, as a share of the raw mass, all of it water: a quarter of
// meat that was roasted or fried (USDA Table of Cooking Yields, 2012: 0.20 to
// 0.30), less of what was only heated through in its coat, and of plants.
const (
	meatLoses, insideLoses, plantLoses = 0.25, 0.10, 0.12
	// parFriedFat is what a fried coat has of fat at least, share of the piece
	// (labels of frozen crumbed goods and chips: 4 to 10 g in 100 g).
	parFriedFat = 0.05
	// parFriedBrown and cookedBrown are how brown it comes.
	parFriedBrown, cookedBrown = 0.3, 1.0
	// parFriedSet and cookedSet are how far the crust has set for good: what a
	// minute of fat did, and what a night in the fridge left (own judgement by how
	// soon kitchens call it crisp again, ±0.2).
	parFriedSet, cookedSet = 0.3, 0.8
	// crustKeeps is the water of a fried coat, kg/kg dry (a third of its weight:
	// Mellema, Trends Food Sci. Tech. 14, 2003), and crustStood that of a cooked one
	// that has stood in the fridge (a fifth to three tenths of its weight).
	crustKeeps, crustStood = 0.50, 0.40
)

// Before is what a state has done to a piece by the time it comes.
type Before struct {
	// Inside says that the inside was cooked: it has to be heated again, not to
	// be made safe from raw.
	Inside bool
	// Fried says that its coat, or its skin, has set so far, from 0 to 1, and has
	// Water, kg/kg dry; Brown is how brown it is.
	Fried             bool
	Water, Set, Brown float64
	// FatG is what a coat has of fat at least, g for a g of the piece.
	FatG float64
}

// Before is what a state has done; inside of what is par-fried, that it was cooked.
func (s State) Before(inside bool) Before {
	switch s {
	case ParFried:
		return Before{Inside: inside, Fried: true, Water: crustKeeps, Set: parFriedSet, Brown: parFriedBrown, FatG: parFriedFat}
	case Cooked:
		return Before{Inside: true, Fried: true, Water: crustStood, Set: cookedSet, Brown: cookedBrown}
	}
	return Before{}
}

// After is the cut as it comes from having been cooked: it has lost water, its
// proteins have let go of what they do not hold, and what could melt has.
func (c Cut) After(was Before) Cut {
	if !was.Inside {
		return c
	}
	loses := meatLoses
	switch {
	case c.Starchy || c.Tender >= 90:
		loses = plantLoses
	case was.FatG > 0:
		loses = insideLoses
	}
	f := c.Flesh
	loses = math.Min(loses, f.Water-0.35)
	left := 1 - loses
	c.Juice = math.Min(90, c.Juice*f.Water/(f.Water-loses))
	c.Flesh = Composition{Water: (f.Water - loses) / left, Protein: f.Protein / left, Fat: f.Fat / left, Carb: f.Carb / left, Ash: f.Ash / left}
	c.Holding, c.Renders, c.Heated, c.Tender = 0, c.Renders/3, true, 0
	return c
}
