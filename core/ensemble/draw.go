package ensemble

import (
	"math"
	"math/rand/v2"

	"velocrustum/core/load"
)

// A Drawn load is where its thickest and its thinnest piece lie.
type Drawn struct{ Thick, Thin Point }

// Draw returns n fixed quasi-random loads of so many pieces: the additive
// recurrence of the generalised golden ratio (Roberts 2018), which is even for
// every n and the same for every call.
func (v Spread) Draw(n, pieces int) []Drawn {
	const columns = Dims + 2
	size := math.Max(v.Size(), 1e-9)
	out := make([]Drawn, n)
	for i, u := range Even(n, columns) {
		var z Point
		for k := ByAirflow; k < Dims; k++ {
			z[k] = Normal(u[k])
		}
		// The thickest and thinnest of so many pieces: their order
		// statistics, each from its own draw, around the load's mean.
		thick := Normal(math.Pow(u[Dims], 1/float64(pieces)))
		thin := Normal(1 - math.Pow(u[Dims+1], 1/float64(pieces)))
		if pieces == 1 {
			thin = thick
		}
		mean := Normal(u[BySize]) * v.Mean
		out[i] = Drawn{z, z}
		out[i].Thick[BySize] = (mean + v.Piece*thick) / size
		out[i].Thin[BySize] = (mean + v.Piece*min(thin, thick)) / size
	}
	return out
}

// draw returns n fixed loads by lot, of which the thickest and the thinnest
// piece of all are those of one lot with as many pieces: so one lot told as two
// is the same. Which lot has them, and what the others have under it, is drawn
// beside.
func (v lotSpreads) draw(n int, lots []*load.Lot) [][]Drawn {
	const columns = Dims + 2
	pieces := 0
	for _, lot := range lots {
		pieces += lot.All
	}
	out := make([][]Drawn, len(lots))
	if len(lots) == 1 {
		out[0] = v[0].Draw(n, pieces)
		return out
	}
	beside := rand.New(rand.NewPCG(1, uint64(len(lots))))
	for _, u := range Even(n, columns) {
		var z Point
		for k := ByAirflow; k < Dims; k++ {
			z[k] = Normal(u[k])
		}
		top, low := math.Pow(u[Dims], 1/float64(pieces)), math.Pow(u[Dims+1], 1/float64(pieces)) // 1 − the thinnest
		hasTop, hasLow := holder(lots, beside.IntN(pieces)), holder(lots, beside.IntN(pieces))
		for k, lot := range lots {
			t, b := top, low
			if under := math.Pow(beside.Float64(), 1/float64(lot.All)); k != hasTop {
				t *= under
			}
			if under := math.Pow(beside.Float64(), 1/float64(lot.All)); k != hasLow {
				b *= under
			}
			thick, thin := Normal(t), Normal(1-b)
			if lot.All == 1 {
				thin = thick
			}
			size, mean := math.Max(v[k].Size(), 1e-9), Normal(u[BySize])*v[k].Mean
			d := Drawn{z, z}
			d.Thick[BySize] = (mean + v[k].Piece*thick) / size
			d.Thin[BySize] = (mean + v[k].Piece*min(thin, thick)) / size
			out[k] = append(out[k], d)
		}
	}
	return out
}

// holder is the lot of a piece, by its number among all.
func holder(lots []*load.Lot, piece int) int {
	for k, lot := range lots {
		if piece -= lot.All; piece < 0 {
			return k
		}
	}
	return len(lots) - 1
}

// Sampled returns the n points at which loads are run.
func Sampled(n int) []Point {
	out := make([]Point, n)
	for i, u := range Even(n, Dims) {
		for k := range out[i] {
			out[i][k] = Normal(u[k])
		}
		out[i][BySize] *= reach
	}
	return out
}

// Even returns n points of the unit cube, evenly.
func Even(n, columns int) [][]float64 {
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

// Normal returns the standard normal quantile of u, within ±3.
func Normal(u float64) float64 {
	return max(-3, min(3, math.Sqrt2*math.Erfinv(2*u-1)))
}
