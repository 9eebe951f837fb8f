package food

import (
	"math"
	"slices"
)

// # Shape
//
// Heat reaches the middle of a piece across its smallest half-dimension R,
// helped by what comes in from the sides. One radial equation stands for
// that if its dimensionality is the equivalent heat transfer dimensionality
// E of Cleland and Earle (J. Food Sci. 47, 1982): 1 for a slab, 2 for a long
// cylinder, 3 for a ball, and for other bodies a figure that falls as the
// Biot number grows (Lin, Cleland, Serrallach and Cleland, Int. J. Refrig.
// 19, 1996), since what enters from the sides then comes too late for the
// middle.
//
// E is 1 and a term for each of the two longer axes, of ratio β to R:
//
//   - a flat end's is A·exp(−s·(β − 1)), fitted to the products of the
//     slabs' series solutions for β 1 to 6 and Bi 0.2 to 12, within 0.03;
//     where two ends meet, each takes some of the other's heat;
//   - a rounded side's is β^−p, fitted to finite-element solutions of 9
//     ellipsoids and 3 elliptical cylinders at three Biot numbers each
//     (testdata/shapes.csv), within 0.03.
//
// What that middle leaves of the true surface S belongs to edges and thin
// ends. They are a second part of the same R and a larger dimensionality, of
// so much volume that both together have the volume and the surface of the
// piece:
//
//	(1 − v)·E + v·E_edge = S·R/V
//
// The middle decides what is safe; load, steam, loss and energy are of both.
// Over the table the middle comes within 3 % of its time and the mean within
// 6 K (TestShapes).

// A Part is the middle of a piece, or its edges and ends.
type Part struct {
	Shape float64 // E
	Share float64 // of the volume
}

// Parts returns the middle and, unless it is a ball, the edges of the piece
// at a Biot number h·R/k of its mean film.
func (p Piece) Parts(biot float64) []Part {
	r := p.Half()
	whole := p.Surface * r / p.Volume
	e := min(p.middle(r, biot), whole, 3)
	edge := min(3, 1+edgeRounds*whole)
	if whole-e < 0.01 || edge-e < 0.01 {
		return []Part{{Shape: min(3, whole), Share: 1}}
	}
	v := (whole - e) / (edge - e)
	if v > 0.95 { // a stub: the edges would have to be more than a ball
		v = 0.95
	}
	return []Part{{e, 1 - v}, {edge, v}}
}

// edgeRounds is how far the edges of a piece are more rounded than the whole
// of it: fitted to the means of the table, within 6 K.
const edgeRounds = 0.8

// middle returns the dimensionality of what the coldest point sees.
func (p Piece) middle(r, bi float64) float64 {
	sides := []float64{p.Thickness / 2 / r, p.Width / 2 / r, p.Length / 2 / r}
	switch p.Form {
	case Cylinder:
		if sides[2] < min(sides[0], sides[1]) { // a disc: its flat ends are its faces
			return 1 + discRim*meet(flat(sides[0], bi), flat(sides[1], bi), bi)
		}
		return 1 + meet(rounded(max(sides[0], sides[1]), bi), flat(sides[2], bi), bi)
	case Ellipsoid:
		slices.Sort(sides)
		return 1 + rounded(sides[1], bi) + rounded(sides[2], bi)
	}
	slices.Sort(sides)
	return 1 + meet(flat(sides[1], bi), flat(sides[2], bi), bi)
}

// discRim is how much more a round rim gives than a square one: the ratio of
// their slowest modes, 5.78 and 4.93, less a little at low Biot numbers.
const discRim = 1.16

func flat(beta, bi float64) float64 {
	return (0.65 + 0.35/(1+1.7*bi)) * math.Exp(-(2.8-2.15/(1+0.9*bi))*(beta-1))
}

func rounded(beta, bi float64) float64 {
	return math.Pow(beta, -(2.35 - 1.61/(1+1.285*bi) + 0.28*math.Log(beta)))
}

// meet adds the terms of two axes of which at least one ends flat.
func meet(f, g, bi float64) float64 {
	if f+g == 0 {
		return 0
	}
	return f + g - (0.64-0.15/(bi+0.15))*f*g/(f+g)
}

// Uptake returns S·R/V, the dimensionality by which what enters through the
// whole surface fills the whole volume, held between 1 and 3.
func (p Piece) Uptake() float64 { return min(3, max(1, p.Surface*p.Half()/p.Volume)) }
