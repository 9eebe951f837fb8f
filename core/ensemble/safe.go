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
	return Quantile(m, Surely), nil
}

// SafeTimes returns when loads turn safe, in order, or nil if some are not by
// the end of the tail: from few runs, along each figure apart, since only safe
// is asked and only what moves the thickest piece's counts. The error is the
// context's, or that of run.Start.
func SafeTimes(ctx context.Context, l *load.Load) ([]float64, error) {
	v := SpreadOf(&l.Machine, l.Own())
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
	safe := make([]float64, len(points))
	err := run.Each(len(points), func(i int) error {
		r, err := run.Start(l, v.At(&points[i]), run.Coarse)
		if err != nil {
			return err
		}
		r.Carry(func(float64) bool { return ctx.Err() == nil && math.IsNaN(r.Own().SafeAt()) })
		safe[i] = r.Own().SafeAt()
		return ctx.Err()
	})
	if err != nil {
		return nil, err
	}
	if slices.ContainsFunc(safe, math.IsNaN) {
		return nil, nil
	}
	var slope, bend Point
	for k, i := 0, 1; k < Dims; k++ {
		if k == ByBrowning {
			continue
		}
		// Through three points, of which the upper may lie farther out.
		a, b := points[i][k], points[i+1][k]
		da, db := (safe[i]-safe[0])/a, (safe[i+1]-safe[0])/b
		bend[k] = (db - da) / (b - a)
		slope[k] = da - bend[k]*a
		i += 2
	}
	all := v.Draw(1000, l.Own().All)
	m := make([]float64, len(all))
	for i := range all {
		m[i] = safe[0]
		for k, x := range all[i].Thick {
			m[i] += slope[k]*x + bend[k]*x*x
		}
	}
	slices.Sort(m)
	return m, nil
}
