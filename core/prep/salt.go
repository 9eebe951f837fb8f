package prep

import (
	"math"

	"velocrustum/core/thermal"
)

// Targets of salt in the edible part, percent of its mass.
const (
	MildSalt, UsualSalt, BoldSalt = 0.8, 1.0, 1.25
	tooSalty                      = 1.6
)

// halfWay is the share of the mean that the middle is to have, where nobody
// says.
const halfWay = 0.5

// Diffusivity of salt in meat and fish, m²/s, by Arrhenius between 3e-10 at
// 4 °C and 6e-10 at 20 °C (spread ±40 %); skin lets a quarter through.
func saltDiffusivity(t float64) float64 {
	return 3e-10 * math.Pow(2, (t-4)/16)
}

const (
	skinLets   = 0.25
	saturated  = 0.26 // g per g of brine: what dry salt makes with the water it draws
	wetFilm    = 0.03 // kg/m² of water on a wiped surface
	lookEvery  = 300.0
	longestDry = 96.0 // hours
)

// A Bath is where salt comes from: so much salt, and so much water around
// the pieces. Dry salt has no water but what it draws.
type Bath struct {
	SaltG, WaterG float64 // for all pieces
	TempC         float64
	Hours         float64
	// Even is the share of the mean that the middle is to have, for
	// EvenHours; 0 is a half.
	Even float64
}

// Salted is what a bath does to pieces.
type Salted struct {
	// MeanPct is the salt in the flesh after the hours, CentrePct at the
	// middle, EquilibriumPct once all has evened out; percent of mass.
	MeanPct        float64 `json:"meanPct"`
	CentrePct      float64 `json:"centrePct"`
	EquilibriumPct float64 `json:"equilibriumPct"`
	// To80Hours is when the mean has come to four fifths of equilibrium,
	// EvenHours when the middle has the bath's share of the mean; 0 is beyond
	// reach.
	To80Hours float64 `json:"to80Hours"`
	EvenHours float64 `json:"evenHours"`
	// ReachMm is how deep there is at least half of the mean at the surface.
	ReachMm float64 `json:"reachMm"`
	// TakenG is the salt that went in, of all pieces.
	TakenG  float64   `json:"takenG"`
	Profile []AtDepth `json:"profile"`
}

// AtDepth is the salt at a depth.
type AtDepth struct {
	Mm  float64 `json:"mm"`
	Pct float64 `json:"pct"`
}

// Salt carries salt into the pieces of a lot by diffusion in their own
// geometry, the one of core/thermal: concentration in the tissue's water takes
// the place of temperature. A soak, a brine and dry salt differ by their bath.
func Salt(lot Lot, bath Bath) (Salted, error) {
	body, err := salting(lot, bath.TempC)
	if err != nil {
		return Salted{}, err
	}
	surface := float64(lot.Pieces) * lot.Piece.Surface
	water := lot.Cut.Flesh.Density() * lot.Cut.Flesh.Water // kg/m³
	// Per m² of surface: salt and water in the bath, and the tissue's water.
	salt, wet := bath.SaltG/1000/surface, bath.WaterG/1000/surface
	// No bath is stronger than saturated: salt with little or no water of its
	// own draws what it dissolves in.
	wet = math.Max(wet, wetFilm+salt*(1-saturated)/saturated)
	held := water * (lot.Piece.Volume * (1 - lot.Cut.Bone - lot.Cut.Stuffing)) / lot.Piece.Surface
	even := salt / (wet + held)
	share := bath.Even
	if share == 0 {
		share = halfWay
	}
	out := Salted{EquilibriumPct: 100 * even * lot.Cut.Flesh.Water}
	left, done := salt, false
	for t := 0.0; t < longestDry*3600; t += lookEvery {
		if !done && t >= bath.Hours*3600-1 {
			out.read(body, lot.Cut.Flesh.Water, even)
			out.TakenG = (salt - left) * surface * 1000
			done = true
		}
		mean := body.Mean()
		if out.To80Hours == 0 && mean >= 0.8*even {
			out.To80Hours = t / 3600
		}
		if out.EvenHours == 0 && mean > 0.1*even && middleOf(body) >= share*mean {
			out.EvenHours = t / 3600
		}
		if done && out.To80Hours > 0 && out.EvenHours > 0 {
			break
		}
		left = soak(body, left, wet, t)
	}
	return out, nil
}

// salting is a piece as salt sees it: flesh and skin, around bone or filling
// that takes none.
func salting(lot Lot, tempC float64) (*thermal.Body, error) {
	water := lot.Cut.Flesh.Density() * lot.Cut.Flesh.Water
	d := saltDiffusivity(tempC)
	tissue := func(let float64) thermal.Material {
		// One J/kg·K of "solids" makes its density the capacity for salt.
		return thermal.Material{Solids: water, SolidsHeat: 1, Water: 1e-9, DryK: d * let * water}
	}
	var layers []thermal.Layer
	r, e := lot.Piece.Half(), lot.Piece.Uptake()
	skin := math.Min(lot.Cut.SkinMm/1000, r/3)
	inside := 0.0
	if hollow := lot.Cut.Bone + lot.Cut.Stuffing; hollow > 0 {
		inside = math.Min(r*math.Pow(hollow, 1/e), 0.8*(r-skin))
		layers = append(layers, thermal.Layer{Thickness: inside, Material: thermal.Material{Solids: 1e-3, SolidsHeat: 1, Water: 1e-9, DryK: 1e-12, Part: thermal.Coat}})
	}
	layers = append(layers, thermal.Layer{Thickness: r - inside - skin, Material: tissue(1)})
	if skin > 0 {
		m := tissue(skinLets)
		m.Part = thermal.Skin
		layers = append(layers, thermal.Layer{Thickness: skin, Material: m})
	}
	return thermal.New(e, layers, thermal.Resolution{Surface: 0.2e-3, Growth: 0.15}, 0)
}

// soak moves salt from the bath into a piece for as long as it is looked at
// next, from second t on, and returns what is left in the bath, kg/m².
func soak(body *thermal.Body, left, wet, t float64) float64 {
	const quick = 1.0 // kg/m²·s per unit: as good as touching
	// Short steps at first, while the surface is steep.
	n := math.Ceil(lookEvery / math.Min(lookEvery, 30+t/20))
	dt := lookEvery / n
	// The bath at the end of the step, for what it has at its beginning: its
	// own capacity is one more resistance in series. A film of brine would
	// swing otherwise.
	h := 1 / (1/quick + dt/wet)
	for range int(n) {
		flow := body.Step(dt, thermal.Air{T: left / wet, H: [2]float64{h, h}, Adiabat: true})
		left -= flow.Heat * dt
	}
	return left
}

// read takes the salt in the flesh, percent of its mass, from a piece.
func (s *Salted) read(body *thermal.Body, water, even float64) {
	pct := func(c float64) float64 { return 100 * c * water }
	s.MeanPct = pct(body.Mean())
	for _, p := range body.Profile(0) {
		s.Profile = append(s.Profile, AtDepth{p[0] * 1000, pct(p[1])})
		if p[1] >= even/2 {
			s.ReachMm = p[0] * 1000
		}
	}
	s.CentrePct = pct(math.Max(0, middleOf(body)))
}

func middleOf(body *thermal.Body) float64 {
	profile := body.Profile(0)
	return profile[len(profile)-1][1]
}
