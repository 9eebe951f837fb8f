package ensemble

import (
	"math"
	"slices"

	"velocrustum/core/load"
)

// A Narrowing is a figure that could be known better, and by how many whole
// minutes the time would be shorter in which nineteen loads in twenty turn safe.
type Narrowing struct {
	Field   string
	Minutes float64
}

// narrowed is by how many minutes shorter the time is in which nineteen loads in twenty
// turn safe than it would be by what was said of the fryer alone.
func narrowed(l *load.Load, lot *load.Lot, v Spread, safe *Quadratic) float64 {
	if v.root == nil {
		return 0
	}
	own := l.Machine
	own.Learnt = nil
	said := *lot
	said.HandSd = nil
	was := SpreadOf(&own, &said)
	width := func(at func(z *Point) Point, w Spread) float64 {
		all := w.Draw(500, lot.All)
		m := make([]float64, len(all))
		for i := range all {
			z := at(&all[i].Thick)
			m[i] = safe.At(&z)
		}
		slices.Sort(m)
		return m[len(m)-1-len(m)/40] - m[len(m)/40]
	}
	now := width(func(z *Point) Point { return *z }, v)
	before := width(func(z *Point) Point {
		out := *z
		out[BySize] *= was.Size() / v.Size()
		// The same figures in the units that the quadratic was laid in.
		sd := [load.LearntFigures]float64{was.Airflow / 2, was.DialC / 2, was.HeatUp / 2, was.Browns / 2}
		for i, dim := range FryerDims {
			x := sd[i] * z[dim]
			for j := range i {
				x -= v.root[i][j] * out[FryerDims[j]]
			}
			out[dim] = x / v.root[i][i]
		}
		return out
	}, was)
	return before - now
}

// narrower is which figures would narrow safe most, the most telling first;
// what brings under a minute is left out. v is the spread that the quadratic of
// safe was laid with.
func narrower(l *load.Load, lot *load.Lot, v Spread, safe *Quadratic) (out []Narrowing) {
	width := func(w Spread) float64 {
		all := w.Draw(500, lot.All)
		m := make([]float64, len(all))
		for i := range all {
			z := all[i].Thick
			// The quadratic's unit is the spread it was laid with.
			z[BySize] *= w.Size() / v.Size()
			z[ByHeatUp] *= w.HeatUp / v.HeatUp
			z[ByAirflow] *= w.Airflow / v.Airflow
			z[ByDial] *= w.DialC / v.DialC
			m[i] = safe.At(&z)
		}
		slices.Sort(m)
		return m[len(m)-1-len(m)/40] - m[len(m)/40]
	}
	now := width(v)
	know := func(field string, narrow func(*Spread)) {
		w := v
		narrow(&w)
		if gone := math.Round(now - width(w)); gone >= 1 {
			out = append(out, Narrowing{field, gone})
		}
	}
	if !lot.Measured {
		know("load.thicknessMm", func(w *Spread) { w.Mean = ruler })
	}
	if !l.Timed && l.Program.PreheatMin < 3 && l.Program.HotFromC == 0 {
		know("fryer.heatUpMin", func(w *Spread) { w.HeatUp = heatUpTimed })
	}
	if lot.All > 1 && lot.SpreadPct > 5 {
		know("load.spreadPct", func(w *Spread) { w.Piece = 0.04 })
	}
	slices.SortStableFunc(out, func(a, b Narrowing) int { return int(math.Round(b.Minutes - a.Minutes)) })
	return out
}
