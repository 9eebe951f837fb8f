package ensemble

import (
	"fmt"
	"math"
	"slices"

	"gonum.org/v1/gonum/mat"
)

// curved are the pairs of figures whose product the quadratic knows, beside
// all squares: the rest have been looked at and bring nothing.
var curved = [][2]int{{BySize, ByAirflow}, {BySize, ByDial}, {BySize, ByStart}, {BySize, ByWicks}, {ByAirflow, ByDial}, {ByAirflow, ByWicks}, {ByDial, ByBrowning}, {BySize, ByBrowning}}

const terms = 1 + 2*Dims + 8

// basis lays a point out in the quadratic's terms.
func basis(z *Point, row []float64) {
	row[0] = 1
	for k := range z {
		row[1+2*k], row[2+2*k] = z[k], z[k]*z[k]
	}
	for i, p := range curved {
		row[1+2*Dims+i] = z[p[0]] * z[p[1]]
	}
}

// A Design is one set of runs, ready for quadratics to be laid through.
type Design struct {
	n     int
	rows  []float64 // n × terms
	solve mat.Dense // terms × n: what turns outcomes into coefficients
	lever []float64 // of each run
}

// NewDesign prepares for runs at points. The error is of points that no
// quadratic can be laid through.
func NewDesign(points []Point) (*Design, error) {
	d := &Design{n: len(points), rows: make([]float64, len(points)*terms)}
	for i := range points {
		basis(&points[i], d.rows[i*terms:(i+1)*terms])
	}
	x := mat.NewDense(d.n, terms, d.rows)
	var qr mat.QR
	qr.Factorize(x)
	eye := mat.NewDiagDense(d.n, nil)
	for i := range d.n {
		eye.SetDiag(i, 1)
	}
	if err := qr.SolveTo(&d.solve, false, eye); err != nil {
		return nil, fmt.Errorf("laying a quadratic through %d runs: %w", d.n, err)
	}
	d.lever = make([]float64, d.n)
	for i := range d.n {
		for k := range terms {
			d.lever[i] += d.rows[i*terms+k] * d.solve.At(k, i)
		}
	}
	return d, nil
}

// A Quadratic is one figure of a load over what varies.
type Quadratic [terms]float64

// A Row is a point laid out in the quadratic's terms, for several quadratics.
type Row [terms]float64

// RowOf lays a point out.
func RowOf(z *Point) (r Row) {
	basis(z, r[:])
	return r
}

// At is the figure of the load at a point.
func (q *Quadratic) At(z *Point) float64 {
	r := RowOf(z)
	return q.Of(&r)
}

// Of is the same at a point that is laid out.
func (q *Quadratic) Of(r *Row) float64 {
	v := 0.0
	for k, c := range q {
		v += c * r[k]
	}
	return v
}

// Through lays a quadratic through the runs' figures, by least squares.
func (d *Design) Through(y []float64) (q Quadratic) {
	for k := range q {
		for i, v := range y {
			q[k] += d.solve.At(k, i) * v
		}
	}
	return q
}

// Fit lays a quadratic through the minutes at which something happened in each
// run, where NaN is not yet at the runs' end. Returns the typical error of a
// run that is left out, minutes, and whether enough of them got there.
func (d *Design) Fit(outcome []float64, end float64) (q Quadratic, slip float64, enough bool) {
	y := slices.Clone(outcome)
	there := 0
	for i, v := range y {
		if math.IsNaN(v) {
			y[i] = end
		} else {
			there++
		}
	}
	if there < d.n*3/5 {
		return q, math.Inf(1), false
	}
	for range 12 {
		q = d.Through(y)
		if there == d.n {
			break
		}
		for i, v := range outcome {
			if math.IsNaN(v) {
				y[i] = math.Max(end, d.value(&q, i))
			}
		}
	}
	sum := 0.0
	for i, v := range outcome {
		if !math.IsNaN(v) {
			off := (v - d.value(&q, i)) / math.Max(0.05, 1-d.lever[i])
			sum += off * off
		}
	}
	return q, math.Sqrt(sum / float64(there)), true
}

func (d *Design) value(q *Quadratic, run int) (v float64) {
	for k, c := range q {
		v += c * d.rows[run*terms+k]
	}
	return v
}
