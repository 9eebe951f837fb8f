package run

import (
	"math"

	"velocrustum/core/thermal"
)

// A Medium is what surrounds food that is cooked in something else than this
// fryer: film coefficients of both faces in W/m²·K, their convective parts, and
// the steam in it, Pa.
type Medium struct {
	Film, Convect [2]float64
	Vapour        float64
}

// In oil the film of bubbling fat gives 300 to 600 W/m²·K (Hubbard and
// Farkas, J. Food Eng. 42, 1999); nothing evaporates but by boiling, since
// the fat keeps the air away. A still oven gives 15 to 25 with radiation, the
// face on the tray somewhat less.
var (
	HotOil    = Medium{Film: [2]float64{450, 450}, Vapour: thermal.StandardPressure}
	StillOven = Medium{Film: [2]float64{21, 17}, Convect: [2]float64{11, 7}, Vapour: 2500}
)

// MeanFilm is the film over both faces, W/m²·K.
func (m Medium) MeanFilm() float64 { return (m.Film[0] + m.Film[1]) / 2 }

// Immerse carries one piece, free on all sides, through so many minutes in a
// medium at airC, °C.
func (l *Lot) Immerse(m Medium, airC, minutes float64) {
	p := &l.places[0]
	air := thermal.Air{T: airC, Vapour: m.Vapour, H: m.Film, Convect: m.Convect}
	const dt = 1.0
	for t := 0.0; t < minutes*60-1e-6; t += dt {
		p.body.Step(dt, air)
		if p.edge != nil {
			p.edge.Step(dt, air)
		}
		p.feel((t+dt)/60, dt/60, l.pathogen)
	}
}

// Immersed reads that piece: its coldest spot, °C, whether it is safe, the
// crust of its softer face and its juice, percent.
func (l *Lot) Immersed() (coreC float64, safe bool, crust, juicePct float64) {
	p := &l.places[0]
	return p.coldC, !math.IsNaN(p.safeAt), p.softer(), p.juicePct()
}
