package ensemble

import (
	"math"
	"slices"

	"velocrustum/core/load"
	"velocrustum/core/run"
)

// The figures that vary, each with a mean of 0 and a standard deviation of 1.
const (
	BySize    = iota // a piece's thickness, from a mean known or not
	ByAirflow        // of the fryer
	ByDial           // air over dial
	ByStart          // the fridge
	ByHeatUp         // the fryer's metal
	ByWicks          // how readily the surface supplies water
	ByBrowning
	Dims
)

// A Point is one load's place among all that vary, in standard deviations.
type Point [Dims]float64

// A Spread is how far each figure varies: nineteen in twenty lie inside.
type Spread struct {
	Piece   float64 // of one piece's thickness around the load's mean, share
	Mean    float64 // of that mean around what was said or worked out, share
	Airflow float64 // share
	DialC   float64
	StartC  float64
	HeatUp  float64 // share
	Wicks   float64 // share
	Browns  float64 // share
	// root is what turns the fryer's four figures into theirs where cooks have shown
	// how they differ together; nil where each differs by itself.
	root *[load.LearntFigures][load.LearntFigures]float64
}

// FridgeSpreadC is how far fridges differ, °C.
const FridgeSpreadC = 2.0

// Spreads of what is known only by kind; docs/model.md says why.
const (
	ruler           = 0.04 // of a mean that was measured
	byProportion    = 0.10 // of one worked out from mass and cut
	airflowSpread   = 0.15
	airflowInferred = 0.22
	dialSpreadC     = 6.0
	heatUpSpread    = 0.25
	heatUpTimed     = 0.08
	wicksSpread     = 0.40
	brownsSpread    = 0.25
	twinWider       = 1.4 // two drawers in one housing, beside one
)

// SpreadOf is how far the figures of a load vary: what holds for each of the
// lots given.
func SpreadOf(m *load.Machine, lots ...*load.Lot) Spread {
	v := machineSpread(m)
	for _, lot := range lots {
		mean := meanOf(lot)
		if lot.HandSd != nil {
			mean = 2 * math.Hypot(mean/2*math.Sqrt(1-handShare), *lot.HandSd)
		}
		v.Piece, v.Mean = math.Max(v.Piece, lot.SpreadPct/100), math.Max(v.Mean, mean)
	}
	return v
}

// meanOf is how far a load's mean thickness differs from what was said.
func meanOf(lot *load.Lot) float64 {
	if lot.Measured {
		return ruler
	}
	return byProportion
}

// lotSpreads are how far the figures of each lot of a load vary. What is of the
// fryer and the fridge is the same for all.
type lotSpreads []Spread

func spreads(l *load.Load) (out lotSpreads) {
	for _, lot := range l.Lots {
		out = append(out, SpreadOf(&l.Machine, lot))
	}
	return out
}

// at turns a point into what it stands for, of each lot.
func (v lotSpreads) at(z *Point) run.Variation {
	out := v[0].At(z)
	for k := range v {
		out.OfLot = append(out.OfLot, v[k].At(z).Sizes)
	}
	return out
}

// machineSpread is how far the figures of a fryer vary, and of what food all
// have alike.
func machineSpread(m *load.Machine) Spread {
	v := Spread{Airflow: airflowSpread, DialC: dialSpreadC, StartC: FridgeSpreadC, HeatUp: heatUpSpread, Wicks: wicksSpread, Browns: brownsSpread}
	if m.Timed {
		v.HeatUp = heatUpTimed
	}
	if slices.Contains(m.Inferred, "airflow") {
		v.Airflow = airflowInferred
	}
	if m.Drawers > 1 || m.OfTwo {
		v.Airflow *= twinWider
		if !m.Timed {
			v.HeatUp *= twinWider
		}
	}
	if m.Learnt != nil {
		if root, ok := m.Learnt.Root(); ok {
			v.root = &root
			sd := func(k int) float64 { return 2 * math.Sqrt(m.Learnt.Covariance[k][k]) }
			v.Airflow, v.DialC, v.HeatUp, v.Browns = sd(load.LearntAirflow), sd(load.LearntDial), sd(load.LearntHeatUp), sd(load.LearntBrowning)
		}
	}
	return v
}

// reach is how far, in standard deviations of a piece's size, the sampled
// runs go: the thickest of many and the thinnest are drawn from one quadratic.
const reach = 1.7

// At turns a point into what it stands for.
func (v Spread) At(z *Point) run.Variation {
	scale := func(sd float64) float64 { return math.Exp(sd / 2) } // never under 0
	if v.root != nil {
		of := v.fryerAt(z)
		return run.Variation{
			Sizes:   []float64{1 + z[BySize]*v.Size()/2},
			Airflow: math.Exp(of[load.LearntAirflow]), DialC: of[load.LearntDial], StartC: v.StartC / 2 * z[ByStart],
			HeatUp: math.Exp(of[load.LearntHeatUp]), Wicks: scale(v.Wicks * z[ByWicks]), Browns: math.Exp(of[load.LearntBrowning]),
		}
	}
	return run.Variation{
		Sizes:   []float64{1 + z[BySize]*v.Size()/2},
		Airflow: scale(v.Airflow * z[ByAirflow]), DialC: v.DialC / 2 * z[ByDial], StartC: v.StartC / 2 * z[ByStart],
		HeatUp: scale(v.HeatUp * z[ByHeatUp]), Wicks: scale(v.Wicks * z[ByWicks]), Browns: scale(v.Browns * z[ByBrowning]),
	}
}

// Size is the spread of all pieces of all loads.
func (v Spread) Size() float64 { return math.Hypot(v.Piece, v.Mean) }
