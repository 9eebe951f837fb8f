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
