package run

import (
	"velocrustum/core/load"
	"velocrustum/core/thermal"
)

// # Waiting
//
// Food that waits goes on as the same bodies in other air: its inside's water
// reaches the crust, steam that cannot leave wets it, a warm oven dries it.

// standingAir is the air that food waits in.
type standingAir struct {
	// own is how far the air among the pieces is their own surface's, and
	// moist how far it is full of steam at its heat; the rest is what is
	// around.
	own, moist float64
	// film and convect by which face is up, W/m²·K.
	film, convect [2]float64
	// back is how much of what has left as vapour runs back onto the food,
	// from the lid and from what lies around it.
	back float64
}

// Films: still air with radiation over warm food 10 to 12 W/m²·K, of which
// air itself carries half; a warm oven's gentle draught 16 to 20; on a plate
// or on one another the lower face has no air (Incropera et al., 6th ed.,
// ch. 9; own judgement of the share of steam, ±0.15, by the reports of
// docs/model.md).
var standingAirs = map[string]standingAir{
	load.HoldWarm:    {0, 0, [2]float64{18, 16}, [2]float64{12, 10}, 0},
	load.HoldRack:    {0, 0, [2]float64{11, 9}, [2]float64{5, 4}, 0},
	load.HoldBowl:    {0.9, 0.95, [2]float64{8, 8}, [2]float64{4, 4}, 0.8},
	load.HoldCovered: {0.93, 1, [2]float64{8, 9}, [2]float64{4, 4}, 1},
}

// roomPressure is the steam in a kitchen of 21 °C at half saturation, Pa.
const roomPressure = 1250.0

// wait moves the food on by dt from second t where it waits.
func (l *Lot) wait(t, dt float64, st load.Stage) {
	in := standingAirs[st.WaitsIn()]
	around := l.machine.Spec.RoomC
	if st.WaitsIn() == load.HoldWarm {
		around = st.OvenC()
	}
	for i := range l.places {
		p := &l.places[i]
		surface := (p.body.Surface(0) + p.body.Surface(1)) / 2
		air := thermal.Air{T: around + in.own*(surface-around)}
		// Steam that stands is at no more than the room's own pressure.
		air.Vapour = min(thermal.SkyAt(l.machine.Spec.PressurePa).Pressure(), roomPressure+in.moist*(thermal.SaturationPressure(air.T)-roomPressure))
		lies := p.exposure
		p.exposure.Upper, p.exposure.Lower = 1, 1 // as it lay in the basket it lies no more
		before := p.body.Ledger().Vapour
		l.expose(p, t, dt, air, in.film, in.convect, 0)
		if back := in.back * (p.body.Ledger().Vapour - before); back > 0 {
			p.body.Return(back)
		}
		p.exposure = lies
	}
}
