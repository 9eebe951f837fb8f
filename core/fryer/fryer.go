// Package fryer models the fryer: air, metal and humidity with the load's
// feedback, and the basket's geometry.
//
// # Idea
//
// The air with its heater is one node, the metal another, the steam a third.
// The food draws on the air and steams into it; a full basket sags the air,
// an open drawer cools and dries it. Where pieces lie decides what reaches
// their faces: crowding takes it from the sides, a second layer from what lies
// under it (basket.go, packing.go).
//
// # Method
//
// Each step is backward Euler over air and metal together, with the load's
// draw implicit in the air's temperature; what the food really took is settled
// in the next step, so that heat closes. The heater gives its full power and
// backs off over 6 K at the dial. The metal is as heavy as it takes for the
// minutes from cold to 200 °C to be those that its owner timed, or those of
// its kind. What an owner does not know is worked out from size and power
// (infer.go).
//
// # Domain and error
//
// Drawers and ovens of 600 to 3500 W, 0 to 240 °C, steps of 1 to 10 s. Figures
// are ±25 % between makes; energy closes to rounding (fryer_test.go).
package fryer

import (
	"fmt"
	"math"

	"velocrustum/core/thermal"
)

// A Kind is a build of fryer.
type Kind string

const (
	Drawer Kind = "drawer"
	Oven   Kind = "oven"
)

// Words returns what a kind is called, and how it is said in passing.
func (k Kind) Words() (name, says string) {
	if k == Oven {
		return "Oven with trays", "oven"
	}
	return "Drawer with a basket", "drawer"
}

// Kinds lists the known builds.
var Kinds = []Kind{Drawer, Oven}

// build holds what goes with a kind, by watt of heater where that scales
// with size. Start values of the model, spread ±25 % between makes.
type build struct {
	HeatUpMin  float64 // minutes from cold to 200 °C, empty, from which the metal follows
	Coupling   float64 // W/K per W, air to metal
	Loss       float64 // W/K per W, metal to room
	Fresh      float64 // kg/s of air drawn through
	Cavity     float64 // m³
	Upper      float64 // W/m²·K at airflow 1, upward face, convection
	Lower      float64 // the face on the grate
	Radiation  float64 // W/m²·K, upward face
	RadiationL float64
}

var builds = map[Kind]build{
	Drawer: {HeatUpMin: 3.6, Coupling: 0.018, Loss: 0.0016, Fresh: 0.0024, Cavity: 0.009, Upper: 54, Lower: 28, Radiation: 9, RadiationL: 11},
	Oven:   {HeatUpMin: 6.5, Coupling: 0.018, Loss: 0.0020, Fresh: 0.0025, Cavity: 0.024, Upper: 26, Lower: 15, Radiation: 12, RadiationL: 9},
}

// Spec is a fryer as its owner knows it.
type Spec struct {
	Kind        Kind
	PowerW      float64
	Basket      Basket
	Airflow     float64 // 1 is middling
	DialOffsetC float64 // air minus dial
	RoomC       float64
	// HeatUpMin is how many minutes it takes from a cold room to 200 °C,
	// empty; 0 means that of its kind. Its owner can time it.
	HeatUpMin float64
	// MetalJK is the heat capacity that follows from it, J/K; 0 has it
	// worked out.
	MetalJK float64
	// Levels is how many trays, or levels of a rack, share the load.
	Levels int
	// GrillW is what its element under the roof draws, W; 0 where it has none.
	GrillW float64
	// GrillReaches scales what of it reaches the food; 0 is as reckoned.
	GrillReaches float64
	// PressurePa is of the air that it stands in; 0 is that at the level of the sea.
	PressurePa float64
}

// MaxTrays is how many an oven takes.
const MaxTrays = 4

// Opening is how long a drawer stays open, s.
const (
	OpenToLoad = 25.0
	OpenToTurn = 20.0
)

const (
	airHeat     = 1010.0 // J/kg·K
	steamHeat   = 1900.0 // J/kg·K
	thermostatK = 6.0    // K over which the heater backs off
	elementHeat = 150.0  // J/K: 0.3 kg of sheathed heater, which air has to be shared with
	openAir     = 0.003  // kg/s exchanged with the room by an open drawer
	stillAir    = 7.0    // W/m²·K on a face while the fan stands
)

// State is the fryer's three states, and the heater's work.
type State struct {
	spec    Spec
	build   build
	metal   float64 // J/K
	airC    float64
	metalC  float64
	vapour  float64 // kg per kg of dry air
	energyJ float64
	limitW  float64 // what the heater may draw
	drawnW  float64 // in the last step
	how     Heating
	grillJ  float64 // that the grill's element holds
	// grillWM2 is what it sends down, W/m² that a face takes.
	grillWM2 float64
	// owed is heat and steam that the food took or gave in the last step
	// beyond what the air had been told, settled in the next one.
	owedHeat, steam float64
}

// NewState returns a fryer at room temperature.
func NewState(s Spec) (*State, error) {
	b, ok := builds[s.Kind]
	if !ok {
		return nil, fmt.Errorf("no fryer kind is called %q; known are %v", s.Kind, Kinds)
	}
	if s.MetalJK == 0 {
		s.MetalJK = Metal(s)
	}
	b.Coupling *= s.PowerW
	b.Loss *= s.PowerW
	return &State{spec: s, build: b, metal: s.MetalJK, airC: s.RoomC, metalC: s.RoomC, vapour: roomVapour, limitW: s.PowerW}, nil
}

// Limit says what the heater may draw from now on, W: what its plug leaves to
// it, or as much as its element can. It begins with the power of its spec.
func (f *State) Limit(w float64) { f.limitW = w }

// DrawnW is what the heater drew in the last step, W.
func (f *State) DrawnW() float64 { return f.drawnW }

// Clone returns a fryer in the same state that goes its own way from here.
func (s *State) Clone() *State { c := *s; return &c }

// HeatUp returns the minutes that a kind takes from cold to 200 °C where
// nobody has timed it.
func (k Kind) HeatUp() float64 { return builds[k].HeatUpMin }

// Limits of a fryer's minutes to 200 °C.
const MinHeatUp, MaxHeatUp = 1.5, 20.0

// Metal returns the heat capacity in J/K of liner, grate and element carrier
// that makes a fryer take its minutes to 200 °C, at full power, from a room of
// 21 °C.
func Metal(s Spec) float64 {
	goal := s.HeatUpMin
	if goal == 0 {
		goal = s.Kind.HeatUp()
	}
	takes := func(metal float64) float64 {
		s.MetalJK = metal
		return Takes(s)
	}
	lo, hi := 1.0, 20*s.PowerW // J/K
	for range 24 {
		if m := (lo + hi) / 2; takes(m) < goal {
			lo = m
		} else {
			hi = m
		}
	}
	return (lo + hi) / 2
}

// Takes is how many minutes a fryer takes to 200 °C, empty, at full power, from a room
// of 21 °C, by the metal that it heats; 60 where it does not get there.
func Takes(s Spec) float64 {
	s.RoomC, s.DialOffsetC = 21, 0
	f, err := NewState(s)
	if err != nil {
		return 0
	}
	const dt = 5.0
	for t := 0.0; t < 60*60; t += dt {
		before := f.airC
		if f.Step(dt, 300, false, Take{}); f.airC >= 200 {
			return (t + dt*(200-before)/(f.airC-before)) / 60
		}
	}
	return 60
}

// CurveStep is the time between two points of a Curve, minutes.
const CurveStep = 0.25

// Curve returns the air of an empty fryer every CurveStep from cold, °C, at a
// dial.
func Curve(s Spec, dialC, minutes float64) ([]float64, error) {
	return CurveOn(s, s.PowerW, dialC, minutes)
}

// CurveOn is Curve of a fryer whose heater draws up to so many watts, with the
// metal that goes with the power of its spec.
func CurveOn(s Spec, limitW, dialC, minutes float64) ([]float64, error) {
	f, err := NewState(s)
	if err != nil {
		return nil, err
	}
	f.Limit(limitW)
	out := []float64{f.airC}
	for range int(math.Round(minutes / CurveStep)) {
		for range 5 {
			f.Step(60*CurveStep/5, dialC, false, Take{})
		}
		out = append(out, f.airC)
	}
	return out, nil
}

// roomVapour is that of a kitchen of 21 °C at half saturation, kg/kg.
const roomVapour = 0.0078

// AirC returns the air's temperature, °C.
func (f *State) AirC() float64 { return f.airC }

// EnergyJ returns the heater's work so far.
func (f *State) EnergyJ() float64 { return f.energyJ }

func (s *Spec) pressure() float64 {
	if s.PressurePa == 0 {
		return thermal.StandardPressure
	}
	return s.PressurePa
}

// thinBlows is by what power of its density air that is blown gives heat (turbulent and
// laminar films have 0.8 and 0.5; Incropera et al., 6th ed., ch. 7).
const thinBlows = 0.6

// blows is the airflow, as much weaker as the air is thinner.
func (s *Spec) blows() float64 {
	if s.PressurePa == 0 {
		return s.Airflow
	}
	return s.Airflow * math.Pow(s.PressurePa/thermal.StandardPressure, thinBlows)
}

// VapourPressure returns the steam's partial pressure, Pa.
func (f *State) VapourPressure() float64 {
	return f.spec.pressure() * f.vapour / (f.vapour + 0.622)
}

// Film returns the heat transfer to the upward and the downward face while
// the drawer is open or closed, W/m²·K, all and its convective part.
func (f *State) Film(open bool) (all, convect [2]float64) {
	b := &f.build
	if open {
		return [2]float64{stillAir + 4, stillAir + 3}, [2]float64{stillAir, stillAir}
	}
	u, l := b.Upper*f.spec.blows(), b.Lower*f.spec.blows()
	if f.how.Still {
		u, l = stillAir, stillAir
	}
	return [2]float64{u + b.Radiation, l + b.RadiationL}, [2]float64{u, l}
}

// Take is what the load took from the air during a step.
type Take struct {
	Conductance float64 // W/K, of all faces, while the step lasts
	SurfaceC    float64 // mean surface temperature at its start
	Sky         float64 // m² of faces that look up with nothing over them
}

// Step moves the fryer on by dt s with the dial at dialC. The load's draw is
// implicit in the air's temperature; Settle then says what it really was.
func (f *State) Step(dt, dialC float64, open bool, load Take) {
	b := &f.build
	set := dialC + f.spec.DialOffsetC
	fresh := b.Fresh
	power := f.limitW
	coupling := b.Coupling
	if f.how.Still {
		fresh, coupling = fresh/2, coupling/4
	}
	if f.how.Grill {
		power = math.Min(power, f.spec.GrillW)
	}
	if open {
		fresh, power, coupling = openAir, 0, b.Coupling/4
	}
	// What of each W drawn goes to air and metal now, and what they get of a
	// grill that is still hot.
	toAir, toMetal, glowAir, glowMetal := 1.0, 0.0, 0.0, 0.0
	if f.how.Grill || f.grillJ > 0 {
		out, per := f.element(dt)
		air, metal := f.shared(load.Sky, open)
		if f.how.Grill {
			toAir, toMetal = per*air, per*metal
		}
		glowAir, glowMetal = out*air, out*metal
	}
	// Air and metal are solved together; the heater is on full, backing
	// off in proportion over the last kelvins, so try full first.
	heatA := f.build.Cavity*0.8*airHeat + elementHeat
	solve := func(power, slope float64) (air, metal float64) {
		// [a c; c' m] · [air metal] = rhs
		steamFlow := f.steam
		a := heatA/dt + coupling + fresh*airHeat + load.Conductance + toAir*slope + steamFlow*steamHeat
		ra := heatA/dt*f.airC + toAir*power + glowAir + fresh*airHeat*f.spec.RoomC + load.Conductance*load.SurfaceC - f.owedHeat/dt + steamFlow*steamHeat*100
		m := f.metal/dt + coupling + b.Loss
		rm := f.metal/dt*f.metalC + toMetal*power + glowMetal + b.Loss*f.spec.RoomC
		down := coupling - toMetal*slope // the air's heat turns the grill down
		det := a*m - coupling*down
		return (ra*m + coupling*rm) / det, (a*rm + down*ra) / det
	}
	air, metal := solve(power, 0)
	if power > 0 && air > set-thermostatK/2 {
		slope := power / thermostatK
		air, metal = solve(power*(set+thermostatK/2)/thermostatK, slope)
		power *= math.Min(1, math.Max(0, (set+thermostatK/2-air)/thermostatK))
		if air > set+thermostatK/2 {
			air, metal = solve(0, 0)
		}
	}
	f.airC, f.metalC = air, metal
	f.drawnW = power
	if f.how.Grill || f.grillJ > 0 {
		drawn := power
		if !f.how.Grill {
			drawn = 0
		}
		f.settleGrill(dt, drawn, open)
	}
	f.energyJ += power * dt
	dry := b.Cavity * 0.75 // kg of dry air
	f.vapour = math.Max(0, (dry/dt*f.vapour+fresh*roomVapour+f.steam)/(dry/dt+fresh))
	f.owedHeat, f.steam = 0, 0
}

// Settle tells the fryer what the food really took (W) and gave (kg/s)
// during the step just made, given what the step had assumed.
func (f *State) Settle(dt, heatW, steam float64, load Take) {
	f.owedHeat = (heatW - load.Conductance*(f.airC-load.SurfaceC)) * dt
	f.steam = steam
}
