package fryer

import "cmp"

// # Heat from above
//
// A grill is an element under the roof. It stores heat until it glows, and gives
// it on: part of it shines, the rest the air takes. Of what shines part falls on
// the food's level, directly and off the walls, evenly over the floor; of that
// the faces that look up take what they do not reflect, and the metal all else.
// While it is on, the heater that blows is off, and the thermostat rules it alike.

const (
	// glows is how long a grill takes to glow, s: sheathed elements of 6 to
	// 8 mm are red in one to two minutes.
	glows = 60.0
	// shines is the share of its heat that an element radiates: 0.5 to 0.6 for
	// metal-sheathed ones at 650 to 800 °C (tables of infrared heating, for
	// example ASHRAE HVAC Systems, "Infrared heating").
	shines = 0.55
	// falls is the share of that which reaches the floor: two parallel squares
	// a third of their side apart see 0.5 of each other (Howell, Catalog of
	// Radiation Configuration Factors, C-11), and bright walls send on half of
	// the rest that they get; ±0.12.
	falls = 0.65
	// takes is what a face of food does not reflect, raw or brown (Sheridan and
	// Shilton, J. Food Eng. 40, 1999: 0.85 to 0.95 for an element's waves).
	takes = 0.9
	// lowerSees is what a level under another sees of the roof.
	lowerSees = 0.1
)

// A Heating is how a fryer heats: from its grill, or by its heater; and with its
// fan or without.
type Heating struct{ Grill, Still bool }

// Heat says how it heats from now on.
func (f *State) Heat(how Heating) { f.how = how }

// GrillWM2 is what a face that looks up with nothing over it took of the grill in
// the last step, W/m² of floor.
func (f *State) GrillWM2() float64 { return f.grillWM2 }

// element is the grill's through a step of dt s: what it gives is out + per for
// each W that it draws, W.
func (f *State) element(dt float64) (out, per float64) {
	return f.grillJ / (dt + glows), dt / (dt + glows)
}

// shared is what of a W that the grill gives goes to the air and to the metal,
// where faces of food of so many m² look up.
// An open fryer's food is out from under it.
func (f *State) shared(sky float64, open bool) (air, metal float64) {
	if open {
		sky = 0
	}
	food := sky / f.spec.Basket.Area() * f.reaches() * takes
	return 1 - shines, shines * (1 - food)
}

// reaches is the share of what shines that falls on the floor.
func (f *State) reaches() float64 { return falls * cmp.Or(f.spec.GrillReaches, 1) }

// settleGrill takes what the element drew, W, and says what it gave.
func (f *State) settleGrill(dt, drawn float64, open bool) {
	out, per := f.element(dt)
	gave := out + per*drawn
	f.grillJ += (drawn - gave) * dt
	if f.grillWM2 = gave * shines * f.reaches() * takes / f.spec.Basket.Area(); open {
		f.grillWM2 = 0
	}
	if !f.how.Grill && f.grillJ < glows { // it gives under a watt: the metal has the rest
		f.metalC += f.grillJ / f.metal
		f.grillJ, f.grillWM2 = 0, 0
	}
}
