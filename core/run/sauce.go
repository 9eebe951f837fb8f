package run

import (
	"math"

	"velocrustum/core/thermal"
)

// # Sauce on the crust
//
// A sauce is a film over a face. It lets no steam out; its water leaves into
// the room, sooner than from the food, which it cools, and it goes into the
// crust below as fast as that takes it up. As the film dries its sugar holds
// on to what is left.

// A sauceFilm is what lies over a face, kg/m² of it.
type sauceFilm struct{ water, solids float64 }

// activity of its water: Norrish for sugars (J. Food Technol. 1, 1966).
func (f sauceFilm) activity() float64 {
	if f.solids <= 0 && f.water <= 0 {
		return 0
	}
	x := f.solids / 250 / (f.solids/250 + f.water/18)
	return (1 - x) * math.Exp(-6*x*x)
}

const (
	// soaksIn is what a dry crust takes up from plain water over it, kg/m²·s,
	// and holdsMost the water, kg/kg dry, at which its outer shell has all.
	soaksIn   = 1.6e-4
	holdsMost = 0.9
	// steams is how full of steam the film keeps the pores below it, of its
	// activity; a lid does it all. These two are by the reports (±0.1).
	steams = 0.6
	// filmTakes is the latent heat of a film, J/kg, and lewis what vapour it
	// gives off for each pascal and each W/m²·K of the air's own film, at
	// 60 °C; filmLets is how much of a face is in the open, tossed pieces
	// lying on one another.
	filmTakes = 2.35e6
	lewis     = 7.0e-9
	filmLets  = 0.65
)

// Dress lays so much of a sauce, kg/m² of its water and of what is dissolved in
// it, on the faces that are named, by which is up.
func (l *Lot) Dress(water, solids float64, up, down bool) {
	for i := range l.places {
		p := &l.places[i]
		for face := range 2 {
			if face == p.up && up || face != p.up && down {
				p.sauce[face].water += water
				p.sauce[face].solids += solids
			}
		}
	}
}

// saucy lets the sauce on a piece act for dt in air: it says how full of
// steam they keep the faces, and takes what they lose.
func (p *place) saucy(dt float64, air *thermal.Air) {
	for face := range 2 {
		f := &p.sauce[face]
		if f.water <= 0 {
			continue
		}
		a := f.activity()
		ts := p.body.Surface(face)
		away := math.Max(0, filmLets*lewis*air.Convect[face]*(a*thermal.SaturationPressure(ts)-air.Vapour))
		away = math.Min(away, f.water/2/dt)
		if ts > air.T+1 {
			air.H[face] += filmTakes * away / (ts - air.T)
		}
		in := soaksIn * a * a * math.Max(0, 1-p.body.SurfaceWater(face)/holdsMost)
		in = math.Min(in, f.water/2/dt)
		f.water -= (away + in) * dt
		p.body.Pour(face, in*dt, ts)
		if p.edge != nil {
			p.edge.Pour(face, in*dt, ts)
		}
		air.Convect[face], air.Under[face] = 0, steams*a
	}
}
