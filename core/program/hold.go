package program

import (
	"velocrustum/core/thermal"
)

// # Waiting
//
// Food that waits goes on as the same bodies in other air: its inside's water
// reaches the crust, steam that cannot leave wets it, a warm oven dries it.

// Where a hold keeps the food.
const (
	HoldWarm    = "warm"    // on a rack in an oven that is kept warm
	HoldRack    = "rack"    // on a rack in the room
	HoldBowl    = "bowl"    // piled in an open bowl
	HoldCovered = "covered" // in a dish under a lid or foil
)

// Holds lists them, the driest first.
var Holds = []string{HoldWarm, HoldRack, HoldBowl, HoldCovered}

// WarmC is an oven kept warm, where no other heat is said, °C.
const WarmC = 90.0

// A place is the air that food waits in.
type place struct {
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
var places = map[string]place{
	HoldWarm:    {0, 0, [2]float64{18, 16}, [2]float64{12, 10}, 0},
	HoldRack:    {0, 0, [2]float64{11, 9}, [2]float64{5, 4}, 0},
	HoldBowl:    {0.9, 0.95, [2]float64{8, 8}, [2]float64{4, 4}, 0.8},
	HoldCovered: {0.93, 1, [2]float64{8, 9}, [2]float64{4, 4}, 1},
}

// hold is where food waits in a stage, "" where it is in the fryer. A rest is
// a wait in the room while the fryer heats.
func (s Stage) hold() string {
	if s.Hold == "" && s.Rest {
		return HoldRack
	}
	return s.Hold
}

// roomPressure is the steam in a kitchen of 21 °C at half saturation, Pa.
const roomPressure = 1250.0

// hold moves the food on by dt where it waits.
func (r *run) hold(t, dt float64, st Stage) {
	p := places[st.hold()]
	around := r.spec.RoomC
	if st.hold() == HoldWarm {
		around = value(st.HoldC, WarmC)
	}
	for i := range r.classes {
		c := &r.classes[i]
		surface := (c.body.Surface(0) + c.body.Surface(1)) / 2
		air := thermal.Air{T: around + p.own*(surface-around)}
		// Steam that stands is at no more than the room's own pressure.
		air.Vapour = min(thermal.StandardPressure, roomPressure+p.moist*(thermal.SaturationPressure(air.T)-roomPressure))
		lies := c.exposure
		c.exposure.Upper, c.exposure.Lower = 1, 1 // as it lay in the basket it lies no more
		before := c.body.Ledger().Vapour
		r.expose(c, t, dt, air, p.film, p.convect)
		if back := p.back * (c.body.Ledger().Vapour - before); back > 0 {
			c.body.Return(back)
		}
		c.exposure = lies
	}
}
