package program

import (
	"fmt"
	"math"
	"slices"

	"gonum.org/v1/gonum/mat"
)

// curved are the pairs of figures whose product the quadratic knows, beside
// all squares: the rest have been looked at and bring nothing.
var curved = [][2]int{{bySize, byAirflow}, {bySize, byDial}, {bySize, byStart}, {bySize, byWicks}, {byAirflow, byDial}, {byAirflow, byWicks}, {byDial, byBrowning}, {bySize, byBrowning}}

const terms = 1 + 2*dims + 8

// basis lays a point out in the quadratic's terms.
func basis(z *[dims]float64, row []float64) {
	row[0] = 1
	for k := range z {
		row[1+2*k], row[2+2*k] = z[k], z[k]*z[k]
	}
	for i, p := range curved {
		row[1+2*dims+i] = z[p[0]] * z[p[1]]
	}
}

// surface fits quadratics through one set of runs.
type surface struct {
	n     int
	rows  []float64 // n × terms
	solve mat.Dense // terms × n: what turns outcomes into coefficients
	lever []float64 // of each run
}

func newSurface(points [][dims]float64) (*surface, error) {
	s := &surface{n: len(points), rows: make([]float64, len(points)*terms)}
	for i := range points {
		basis(&points[i], s.rows[i*terms:(i+1)*terms])
	}
	x := mat.NewDense(s.n, terms, s.rows)
	var qr mat.QR
	qr.Factorize(x)
	eye := mat.NewDiagDense(s.n, nil)
	for i := range s.n {
		eye.SetDiag(i, 1)
	}
	if err := qr.SolveTo(&s.solve, false, eye); err != nil {
		return nil, fmt.Errorf("laying a quadratic through %d runs: %w", s.n, err)
	}
	s.lever = make([]float64, s.n)
	for i := range s.n {
		for k := range terms {
			s.lever[i] += s.rows[i*terms+k] * s.solve.At(k, i)
		}
	}
	return s, nil
}

// quadratic is one outcome over what varies.
type quadratic [terms]float64

func (q *quadratic) at(z *[dims]float64) float64 {
	var row [terms]float64
	basis(z, row[:])
	v := 0.0
	for k, c := range q {
		v += c * row[k]
	}
	return v
}

func (s *surface) coefficients(y []float64) (q quadratic) {
	for k := range q {
		for i, v := range y {
			q[k] += s.solve.At(k, i) * v
		}
	}
	return q
}

// fit lays a quadratic through the runs' outcomes, where NaN is not yet at
// the run's end. Returns the typical error of a run that is left out, and
// whether enough of them got there.
func (s *surface) fit(outcome []float64, end float64) (q quadratic, slip float64, enough bool) {
	y := slices.Clone(outcome)
	there := 0
	for i, v := range y {
		if math.IsNaN(v) {
			y[i] = end
		} else {
			there++
		}
	}
	if there < s.n*3/5 {
		return q, math.Inf(1), false
	}
	for range 12 {
		q = s.coefficients(y)
		if there == s.n {
			break
		}
		for i, v := range outcome {
			if math.IsNaN(v) {
				y[i] = math.Max(end, s.value(&q, i))
			}
		}
	}
	sum := 0.0
	for i, v := range outcome {
		if !math.IsNaN(v) {
			d := (v - s.value(&q, i)) / math.Max(0.05, 1-s.lever[i])
			sum += d * d
		}
	}
	return q, math.Sqrt(sum / float64(there)), true
}

func (s *surface) value(q *quadratic, run int) (v float64) {
	for k, c := range q {
		v += c * s.rows[run*terms+k]
	}
	return v
}
