package ensemble

import (
	"context"
	"math"
	"slices"

	"velocrustum/core/load"
	"velocrustum/core/run"
)

// SafeBy returns the minute by which 95 in 100 loads are safe, or nil where
// some are not by the end of the tail.
func SafeBy(ctx context.Context, l *load.Load) (*float64, error) {
	m, err := SafeTimes(ctx, l)
	if err != nil || m == nil {
		return nil, err
	}
	return Quantile(m, Surely(&l.Machine)), nil
}

// SafeTimes returns when loads turn safe, in order, or nil if some are not by
// the end of the tail: from few runs, along each figure apart, since only safe
// is asked and only what moves the thickest piece's counts. The error is the
// context's, or that of run.Start.
func SafeTimes(ctx context.Context, l *load.Load) ([]float64, error) {
	v := spreads(l)
	const step = 1.5
	points := []Point{{}}
	for k := range Dims {
		if k == ByBrowning {
			continue
		}
		for _, d := range [...]float64{-step, step} {
			var p Point
			if p[k] = d; k == BySize && d > 0 {
				p[k] *= reach
			}
			points = append(points, p)
		}
	}
	safe := make([][]float64, len(points)) // by lot
	err := run.Each(len(points), func(i int) error {
		run.GiveWay(ctx)
		r, err := run.Start(l, v.at(&points[i]), run.Coarse)
		if err != nil {
			return err
		}
		r.Carry(func(float64) bool { return ctx.Err() == nil && math.IsNaN(r.SafeAt()) })
		for _, lot := range r.Lots {
			safe[i] = append(safe[i], lot.SafeAt())
		}
		return ctx.Err()
	})
	if err != nil {
		return nil, err
	}
	if slices.ContainsFunc(safe, func(lots []float64) bool { return slices.ContainsFunc(lots, math.IsNaN) }) {
		return nil, nil
	}
	const loads = 1000
	m := make([]float64, loads)
	for k, drawn := range v.draw(loads, l.Lots) {
		at := func(i int) float64 { return safe[i][k] }
		slope, bend := along(points, at)
		for i := range drawn {
			s := at(0)
			for j, x := range drawn[i].Thick {
				s += slope[j]*x + bend[j]*x*x
			}
			m[i] = max(m[i], s)
		}
	}
	slices.Sort(m)
	return m, nil
}

// along is how a figure moves along each of what varies apart: through three
// points, of which the upper may lie farther out.
func along(points []Point, at func(int) float64) (slope, bend Point) {
	for k, i := 0, 1; k < Dims; k++ {
		if k == ByBrowning {
			continue
		}
		a, b := points[i][k], points[i+1][k]
		da, db := (at(i)-at(0))/a, (at(i+1)-at(0))/b
		bend[k] = (db - da) / (b - a)
		slope[k] = da - bend[k]*a
		i += 2
	}
	return slope, bend
}
