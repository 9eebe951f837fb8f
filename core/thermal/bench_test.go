package thermal

import (
	"math/rand/v2"
	"testing"

	"gonum.org/v1/gonum/mat"
)

// heatSystem is the linear system of one step of a wing, filled with
// plausible numbers.
func heatSystem() *system {
	r := rand.New(rand.NewPCG(7, 8))
	s := newSystem(13)
	for i := range s.n {
		s.cross[i] = r.Float64()
		for j := 2 * i; j < 2*i+2; j++ {
			s.diag[j] = 6 + r.Float64()
			if i < s.n-1 {
				s.out[j] = r.Float64()
			}
		}
	}
	return &s
}

// BenchmarkSolve is the direct solution of one step's system.
func BenchmarkSolve(b *testing.B) {
	s := heatSystem()
	b.ReportAllocs()
	for b.Loop() {
		for j := range s.rhs {
			s.rhs[j] = float64(j)
		}
		s.solve(0)
	}
}

// BenchmarkSolveBanded solves the same system with gonum's banded Cholesky,
// which knows that the matrix is symmetric but not its blocks.
func BenchmarkSolveBanded(b *testing.B) {
	s := heatSystem()
	a := mat.NewSymBandDense(2*s.n, 2, nil)
	rhs, x := mat.NewVecDense(2*s.n, nil), mat.NewVecDense(2*s.n, nil)
	var c mat.BandCholesky
	b.ReportAllocs()
	for b.Loop() {
		for i := range s.n {
			a.SetSymBand(2*i, 2*i+1, -s.cross[i])
			for j := 2 * i; j < 2*i+2; j++ {
				a.SetSymBand(j, j, s.diag[j])
				rhs.SetVec(j, float64(j))
				if i < s.n-1 {
					a.SetSymBand(j, j+2, -s.out[j])
				}
			}
		}
		if !c.Factorize(a) {
			b.Fatal("not positive definite")
		}
		if err := c.SolveVecTo(x, rhs); err != nil {
			b.Fatal(err)
		}
	}
}
