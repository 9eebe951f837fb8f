package pan

import (
	"math"

	"velocrustum/core/larder"
)

// # How thick, and what clings
//
// A sauce is read by what clings to food that is tossed in it and drains. A
// film on an upright wall drains so that its mean thickness after t seconds is
// 2/3·√(ηz/ρgt) (Jeffreys, Proc. Camb. Phil. Soc. 26, 1930), with z the height
// of a piece, 3 cm, and t the 7.5 s from the pan to the plate; what the
// crust's roughness holds, 3 g/100 cm² (±1), stays whatever the sauce. So a
// wash, 4 g, is 0.05 Pa·s, what coats a spoon, 8 g, 1.2 Pa·s, a glaze, 15 g,
// 7 Pa·s, like honey.
//
// The viscosity is that of the water with what is dissolved in it (Génotelle,
// Industries Alimentaires et Agricoles 95, 1978, for sucrose; ±30 % for other
// sugars and salt), times what droplets of fat do (Krieger and Dougherty,
// Trans. Soc. Rheol. 3, 1959), times ten to the power of what pulp, pectin,
// gums and starch bring, each by its share of the sauce.

const (
	roughHolds = 3.0    // g/100 cm²
	pieceM     = 0.03   // m
	drainsS    = 7.5    // s
	density    = 1100.0 // kg/m³
	oilDensity = 920.0
	// plateC is what a hot sauce has on hot food, and coldC a cold one.
	plateC = 50.0
	coldC  = 20.0
	// packed is the share of fat at which droplets touch, and inverts that
	// from which fat is around the water, unless something holds them.
	packed  = 0.78
	inverts = 0.74
)

// clings is what clings to 100 cm² of a sauce of a viscosity, Pa·s; g.
func clings(viscosity float64) float64 {
	mean := 2.0 / 3 * math.Sqrt(viscosity*pieceM/(density*9.81*drainsS)) // m
	return roughHolds + mean*density*10
}

// thickens is by how many powers of ten a starch thickens the water that it
// swells in, for each part of it: 3.3 % of corn starch, a level tablespoon
// for a cup, coats a spoon; potato is stronger, flour half of it (±15 %).
var thickens = map[string]float64{
	"corn-starch": 100, "potato-starch": 125, "tapioca-starch": 110, "rice-starch": 85, "rice-flour": 55, "wheat-flour": 50, "chickpea-flour": 45,
}

// cloudy are the starches that make a sauce dull.
var cloudy = map[string]bool{"wheat-flour": true, "rice-flour": true, "chickpea-flour": true}

// state is what is in the pan, g.
type state struct {
	water, dissolved, fat float64
	pulp                  float64 // powers of ten times g of what brings them
	starch                float64 // powers of ten times g of starch, swollen
	raw                   float64 // … not swollen yet
	pieces                float64 // g of what is eaten by the piece
	// juice is what the pieces are still to give, g of water and of what is
	// dissolved in it, softMin how long they simmer until they are soft, by that
	// juice; boiled is how long they have simmered, as if all along at 100 °C.
	juice, juiceSweet, softMin, boiled float64
	mass                               float64
	sugar, held                        float64 // held: g of what keeps fat and water together
}

// put adds g grams of an ingredient.
func (s *state) put(i larder.Ingredient, g float64) {
	s.mass += g
	if i.Form == larder.Pieces {
		s.pieces += g
		if gives := g * i.Gives; gives > 0 {
			s.softMin = (s.softMin*s.juice + i.SoftMin*gives) / (s.juice + gives)
			s.juice += gives
			s.juiceSweet += gives * (i.Salt + i.Acid + i.Sugar) / math.Max(1, i.Salt+i.Acid+i.Sugar+i.Water())
		}
		return
	}
	s.water += g * i.Water() / 100
	sugar := i.Sugar
	if i.Role == larder.Sweet && i.Form == "" {
		sugar = i.Carb
	}
	s.sugar += g * sugar / 100
	s.dissolved += g * (i.Salt + i.Acid + sugar) / 100
	s.fat += g * i.Fat / 100
	s.pulp += g * i.Stiffness()
	s.raw += g * thickens[i.ID]
	if holds[i.ID] || i.Role == larder.Egg {
		s.held += g
	}
}

// soften lets the pieces simmer for dt minutes: half as fast for each 10 K less, they
// give their juice, nearly all by when they are soft.
func (s *state) soften(dt, c float64) {
	eq := dt * math.Exp2((c-boilC)/10)
	s.boiled += eq
	if s.juice <= 0 {
		return
	}
	part := 1 - math.Exp(-3*eq/s.softMin)
	out, sweet := s.juice*part, s.juiceSweet*part
	s.juice, s.juiceSweet, s.pieces = s.juice-out, s.juiceSweet-sweet, s.pieces-out
	s.water += out - sweet
	s.dissolved += sweet
	s.sugar += sweet
}

// holds are ingredients that keep fat and water together.
var holds = map[string]bool{"mustard": true, "mayonnaise": true, "honey": true, "tahini": true, "peanuts": true, "cream": true, "miso": true}

// brix is the share of the watery part that is dissolved.
func (s state) brix() float64 { return s.dissolved / math.Max(1e-9, s.dissolved+s.water) }

// fatShare is the fat's share of the sauce's volume.
func (s state) fatShare() float64 {
	fat := s.fat / oilDensity
	return fat / math.Max(1e-12, fat+(s.mass-s.pieces-s.fat)/density)
}

// splits says whether its fat comes out: too much of it, and nothing to hold it.
func (s state) splits() bool { return s.fatShare() > 0.6 && s.held < 0.03*s.mass }

// viscosity at a temperature, Pa·s, where it drains.
func (s state) viscosity(c float64) float64 {
	eta := syrup(s.brix(), c)
	fat := s.fatShare()
	if fat > inverts && s.held < 0.03*s.mass {
		eta = 0.03 * math.Exp(-0.025*(c-plateC)) // oil
	} else {
		fat = math.Min(fat, inverts)
		eta *= math.Pow(1-fat/packed, -2.5*packed)
	}
	sauce := math.Max(1e-9, s.mass-s.pieces)
	return eta * math.Pow(10, math.Min(6, s.pulp/sauce+s.starch/math.Max(1e-9, sauce-s.fat)))
}

// clings is what clings of it at a temperature, g/100 cm².
func (s state) clings(c float64) float64 { return clings(s.viscosity(c)) }

// syrup is the viscosity of sugar in water, Pa·s, up to nine parts in ten.
func syrup(brix, c float64) float64 {
	brix = 100 * math.Min(0.9, brix)
	n := brix / (1900 - 18*brix)
	phi := (30 - c) / (91 + c)
	return 1e-3 * math.Pow(10, 22.46*n-0.114+phi*(1.1+43.1*math.Pow(n, 1.25)))
}

// activity is how readily its water leaves, beside plain water: Norrish for
// sugars (J. Food Technol. 1, 1966).
func (s state) activity() float64 {
	sugar := s.dissolved / 250 // mol: between glucose and sucrose, and salt
	water := s.water / 18
	x := sugar / math.Max(1e-9, sugar+water)
	return (1 - x) * math.Exp(-6*x*x)
}
