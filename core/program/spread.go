package program

import (
	"math"
	"slices"

	"velocrustum/core/fryer"
)

// The figures that vary, each with a mean of 0 and a standard deviation of 1.
const (
	bySize    = iota // a piece's thickness, from a mean known or not
	byAirflow        // of the fryer
	byDial           // air over dial
	byStart          // the fridge
	byHeatUp         // the fryer's metal
	byWicks          // how readily the surface supplies water
	byBrowning
	dims
)

// variation is one draw from what varies.
type variation struct {
	sizes   []float64 // scale a piece's thickness; one class of pieces each
	airflow float64   // scales
	dialC   float64   // adds
	startC  float64   // adds
	heatUp  float64   // scales
	wicks   float64   // scales
	browns  float64   // scales
}

var nominal = variation{sizes: []float64{1}, airflow: 1, heatUp: 1, wicks: 1, browns: 1}

// spread is how far each figure varies: nineteen in twenty lie inside.
type spread struct {
	piece   float64 // of one piece's thickness around the load's mean, share
	mean    float64 // of that mean around what was said or worked out, share
	airflow float64 // share
	dialC   float64
	startC  float64
	heatUp  float64 // share
	wicks   float64 // share
	browns  float64 // share
}

// Spreads of what is known only by kind; docs/model.md says why.
const (
	thicknessSpread = 0.08 // of a careful hand's pieces
	ruler           = 0.04 // of a mean that was measured
	byProportion    = 0.10 // of one worked out from mass and cut
	airflowSpread   = 0.15
	airflowInferred = 0.22
	dialSpreadC     = 6.0
	fridgeSpreadC   = 2.0
	heatUpSpread    = 0.25
	heatUpTimed     = 0.08
	wicksSpread     = 0.40
	brownsSpread    = 0.25
	twinWider       = 1.4 // two drawers in one housing, beside one
)

// spread returns how far this load's figures vary.
func (k *kitchen) spread() spread {
	v := spread{piece: k.pieceSpread / 100, mean: byProportion, airflow: airflowSpread, dialC: dialSpreadC, startC: fridgeSpreadC,
		heatUp: heatUpSpread, wicks: wicksSpread, browns: brownsSpread}
	if k.measured {
		v.mean = ruler
	}
	if k.timed {
		v.heatUp = heatUpTimed
	}
	if slices.Contains(k.inferred, "airflow") {
		v.airflow = airflowInferred
	}
	if k.drawers > 1 {
		v.airflow *= twinWider
		if !k.timed {
			v.heatUp *= twinWider
		}
	}
	return v
}

// reach is how far, in standard deviations of a piece's size, the sampled
// runs go: the thickest of many and the thinnest are drawn from one quadratic.
const reach = 1.7

// at turns a point into what it stands for.
func (v spread) at(z *[dims]float64) variation {
	scale := func(sd float64) float64 { return math.Exp(sd / 2) } // never under 0
	return variation{
		sizes:   []float64{1 + z[bySize]*v.size()/2},
		airflow: scale(v.airflow * z[byAirflow]), dialC: v.dialC / 2 * z[byDial], startC: v.startC / 2 * z[byStart],
		heatUp: scale(v.heatUp * z[byHeatUp]), wicks: scale(v.wicks * z[byWicks]), browns: scale(v.browns * z[byBrowning]),
	}
}

// size is the spread of all pieces of all loads.
func (v spread) size() float64 { return math.Hypot(v.piece, v.mean) }

// load is one drawn load: where its thickest and its thinnest piece lie.
type load struct{ thick, thin [dims]float64 }

// loads returns n fixed quasi-random loads of so many pieces: the additive
// recurrence of the generalised golden ratio (Roberts 2018), which is even for
// every n and the same for every call.
func (v spread) loads(n, pieces int) []load {
	const columns = dims + 2
	size := math.Max(v.size(), 1e-9)
	out := make([]load, n)
	for i, u := range even(n, columns) {
		var z [dims]float64
		for k := byAirflow; k < dims; k++ {
			z[k] = normal(u[k])
		}
		// The thickest and thinnest of so many pieces: their order
		// statistics, each from its own draw, around the load's mean.
		thick := normal(math.Pow(u[dims], 1/float64(pieces)))
		thin := normal(1 - math.Pow(u[dims+1], 1/float64(pieces)))
		if pieces == 1 {
			thin = thick
		}
		mean := normal(u[bySize]) * v.mean
		out[i] = load{z, z}
		out[i].thick[bySize] = (mean + v.piece*thick) / size
		out[i].thin[bySize] = (mean + v.piece*min(thin, thick)) / size
	}
	return out
}

// runs returns the points at which loads are run.
func (v spread) runs(n int) [][dims]float64 {
	out := make([][dims]float64, n)
	for i, u := range even(n, dims) {
		for k := range out[i] {
			out[i][k] = normal(u[k])
		}
		out[i][bySize] *= reach
	}
	return out
}

// even returns n points of the unit cube.
func even(n, columns int) [][]float64 {
	g := 1.0
	for range 60 { // the positive root of g^(columns+1) = g + 1
		g = math.Pow(1+g, 1.0/float64(columns+1))
	}
	out := make([][]float64, n)
	for i := range out {
		out[i] = make([]float64, columns)
		for k := range out[i] {
			_, out[i][k] = math.Modf(0.5 + float64(i+1)*math.Pow(g, -float64(k+1)))
		}
	}
	return out
}

// normal returns the standard normal quantile of u, within ±3.
func normal(u float64) float64 {
	return max(-3, min(3, math.Sqrt2*math.Erfinv(2*u-1)))
}

// heatUpKnown says whether a fryer's minutes to 200 °C were timed.
func heatUpKnown(f Fryer) bool { return f.HeatUpMin != nil && !slices.Contains(f.Inferred, "heatUp") }

// twin applies what two drawers in one housing cost each other: they share
// the power, and each gets less air than one alone.
func twin(spec fryer.Spec) fryer.Spec {
	spec.PowerW /= 2
	spec.Airflow *= twinAir
	if spec.HeatUpMin == 0 {
		spec.HeatUpMin = twinSlower * spec.Kind.HeatUp()
	}
	return spec
}

const (
	twinAir    = 0.88 // of one alone, ±0.1
	twinSlower = 1.25 // longer to 200 °C
)
