package program

import (
	"context"
	"fmt"
	"math"
	"slices"
	"sync"
)

// # A thousand loads
//
// Pieces, fryers and fridges differ, so that one load's minutes are not
// another's. What a load's thickest and thinnest pieces come to depends
// smoothly on a few figures that vary; a quadratic through sampled runs gives
// it for as many loads as are wanted in microseconds, and steadier quantiles
// than the runs alone (response surface methodology: Box and Draper,
// Empirical Model-Building and Response Surfaces, 1987). The quadratic is
// checked by leaving each run out in turn; where it does not hold, as in
// loads that are crisp or safe only now and then, loads are run and counted.
//
// Runs that end before something has happened are not thrown away: what is
// not there yet is taken for the later of the run's end and what the
// quadratic says of it, until that no longer moves (Schmee and Hahn,
// Technometrics 21, 1979).

// outcome is what one run came to, minutes, NaN for not by its end.
type outcome struct {
	first, safe, crisp, over float64
	core                     []float64 // each half minute, °C
}

// outcomes runs one load, and reads what comes of each kind in it. Where
// nothing is shown, it ends as soon as all is known.
func (s *setup) outcomes(ctx context.Context, v variation, res resolution) ([]outcome, error) {
	lead, err := newRun(s, v, res)
	if err != nil {
		return nil, err
	}
	kinds := lead.everyone()
	shown := s.shown()
	out := make([]outcome, len(kinds))
	for k := range out {
		out[k].core = make([]float64, 0, int(2*shown)+2)
	}
	lead.carry(func(minute float64) bool {
		if minute <= shown+0.01 {
			for k, r := range kinds {
				cold := math.Inf(1)
				for i := range r.classes {
					cold = min(cold, r.classes[i].lastC)
				}
				out[k].core = append(out[k].core, cold)
			}
			return ctx.Err() == nil
		}
		open := false
		for k, r := range kinds {
			o := &out[k]
			o.read(r)
			open = open || math.IsNaN(o.safe) || math.IsNaN(o.crisp) || math.IsNaN(o.over)
		}
		return ctx.Err() == nil && open
	})
	for k, r := range kinds {
		out[k].read(r)
	}
	return out, ctx.Err()
}

// read takes the outcome from a run.
func (o *outcome) read(r *run) {
	o.first, o.safe, o.crisp, o.over = math.NaN(), math.NaN(), math.NaN(), math.NaN()
	for i := range r.classes {
		c := &r.classes[i]
		if later(o.first, c.safeAt) {
			o.first = c.safeAt
		}
		if i == 0 || later(c.safeAt, o.safe) {
			o.safe = c.safeAt
		}
		if i == 0 || later(c.crispAt, o.crisp) {
			o.crisp = c.crispAt
		}
		if math.IsNaN(o.over) || c.overAt < o.over {
			o.over = c.overAt
		}
	}
}

// shown is how long a screen shows, minutes: the program and its tail.
func (s *setup) shown() float64 {
	if s.shownMin > 0 {
		return s.shownMin
	}
	return s.minutes() + s.tail
}

const (
	// Loads is how many loads the window is over, and sampledRuns how many
	// are run for it; where no quadratic holds, countedRuns more.
	Loads       = 2000
	sampledRuns = 64
	countedRuns = 64
	// A quadratic holds if a run left out is foretold within so many
	// minutes, or within so much of the time.
	slipMin, slipShare = 0.35, 0.04
)

// ensemble is what a load's minutes are over all that varies.
type ensemble struct {
	first, safe, crisp, over []float64 // by load, minutes; +Inf for never
	core                     [][2]float64
	runs                     int
	slip                     float64 // minutes, of safe; NaN where loads were counted
	// safeBy answers for other spreads of the same load, where a quadratic
	// holds; nil otherwise.
	safeOver *quadratic
	spread   spread
}

// gather runs the load over what varies, on all cores, and returns what comes
// of each kind in it, the load's own first. All kinds share the runs.
func (s *setup) gather(ctx context.Context) ([]*ensemble, error) {
	v := s.widest()
	points := v.runs(sampledRuns)
	on := *s
	on.tail = math.Max(s.tail, math.Max(10, 0.4*s.minutes()))
	on.shownMin = s.shown()
	end := on.minutes() + on.tail
	runs := make([][]outcome, len(points))
	if err := parallel(len(points), func(i int) (err error) {
		runs[i], err = on.outcomes(ctx, v.at(&points[i]), standard)
		return err
	}); err != nil {
		return nil, err
	}
	surf, err := newSurface(points)
	if err != nil {
		return nil, err
	}
	counted := sync.OnceValues(func() ([][]outcome, error) {
		out := make([][]outcome, countedRuns)
		few := v.loads(countedRuns, s.all)
		return out, parallel(countedRuns, func(i int) (err error) {
			draw := v.at(&few[i].thick)
			draw.sizes = append(draw.sizes, v.at(&few[i].thin).sizes...)
			out[i], err = on.outcomes(ctx, draw, searching)
			return err
		})
	})
	kinds := append([]*setup{s}, s.others...)
	out := make([]*ensemble, len(kinds))
	return out, parallel(len(kinds), func(k int) (err error) {
		tallied := false
		out[k], err = kinds[k].drawn(v, surf, of(runs, k), end, func() ([]outcome, error) {
			tallied = true
			all, err := counted()
			return of(all, k), err
		})
		if err != nil {
			return err
		}
		if out[k].runs = len(points); tallied {
			out[k].runs += countedRuns
		}
		return nil
	})
}

// of is what came of one kind in each run.
func of(runs [][]outcome, kind int) []outcome {
	out := make([]outcome, len(runs))
	for i, r := range runs {
		out[i] = r[kind]
	}
	return out
}

// widest is the spread that holds for every kind in the basket.
func (s *setup) widest() spread {
	v := s.spread()
	for _, o := range s.others {
		w := o.spread()
		v.piece, v.mean = math.Max(v.piece, w.piece), math.Max(v.mean, w.mean)
	}
	return v
}

// drawn draws the loads of one kind from what its runs came to, counting them
// where no quadratic holds.
func (s *setup) drawn(v spread, surf *surface, results []outcome, end float64, count func() ([]outcome, error)) (*ensemble, error) {
	pick := func(f func(outcome) float64) []float64 {
		out := make([]float64, len(results))
		for i, r := range results {
			out[i] = f(r)
		}
		return out
	}
	all := v.loads(Loads, s.all)
	e := &ensemble{spread: v}
	// over draws every load's minutes from one quadratic, if it holds.
	over := func(f func(outcome) float64, thick bool, into *[]float64) (*quadratic, float64) {
		outcomes := pick(f)
		q, slip, enough := surf.fit(outcomes, end)
		median := middle(outcomes, end)
		if !enough || slip > math.Max(slipMin, slipShare*median) {
			return nil, slip
		}
		*into = make([]float64, len(all))
		for i := range all {
			z := &all[i].thin
			if thick {
				z = &all[i].thick
			}
			if (*into)[i] = q.at(z); (*into)[i] > end {
				(*into)[i] = math.Inf(1)
			}
		}
		return &q, slip
	}
	e.slip = math.NaN()
	for _, o := range []struct {
		f     func(outcome) float64
		thick bool
		into  *[]float64
		safe  bool
	}{
		{func(o outcome) float64 { return o.safe }, true, &e.safe, true},
		{func(o outcome) float64 { return o.first }, false, &e.first, false},
		{func(o outcome) float64 { return o.crisp }, true, &e.crisp, false},
		{func(o outcome) float64 { return o.over }, false, &e.over, false},
	} {
		q, slip := over(o.f, o.thick, o.into)
		if q == nil {
			if rare(pick(o.f), end) { // as good as never: no need to count
				*o.into = slices.Repeat([]float64{math.Inf(1)}, len(all))
				continue
			}
			counted, err := count()
			if err != nil {
				return nil, err
			}
			// Each counted load stands for as many drawn ones.
			*o.into = make([]float64, len(all))
			for i := range all {
				m := o.f(counted[i%countedRuns])
				if math.IsNaN(m) {
					m = math.Inf(1)
				}
				(*o.into)[i] = m
			}
		} else if o.safe {
			e.slip, e.safeOver = slip, q
		}
	}
	// The spread of the coldest meat, half minute by half minute, clear of
	// its own roundness: the same quadratic, over fewer loads.
	few := all[:min(len(all), 400)]
	y := make([]float64, len(results))
	at := make([]float64, len(few))
	for t := range results[0].core {
		lo, hi := math.Inf(1), math.Inf(-1)
		for i, r := range results {
			y[i] = r.core[t]
			lo, hi = min(lo, y[i]), max(hi, y[i])
		}
		q := surf.coefficients(y)
		for i := range few {
			at[i] = min(hi, max(lo, min(q.at(&few[i].thick), q.at(&few[i].thin))))
		}
		slices.Sort(at)
		e.core = append(e.core, [2]float64{at[len(at)/20], at[len(at)-1-len(at)/20]})
	}
	return e, nil
}

// rare says whether hardly any run came to something at all.
func rare(outcomes []float64, end float64) bool {
	n := 0
	for _, v := range outcomes {
		if !math.IsNaN(v) && v <= end {
			n++
		}
	}
	return n <= len(outcomes)/32
}

// middle is the median, with what is not there yet at the end.
func middle(outcomes []float64, end float64) float64 {
	s := slices.Clone(outcomes)
	for i, v := range s {
		if math.IsNaN(v) {
			s[i] = end
		}
	}
	slices.Sort(s)
	return s[len(s)/2]
}

// A Doubt is a figure that could be known better, and what that would bring.
type Doubt struct {
	Field string `json:"field"`
	// Minutes is how much shorter the time would be in which nineteen loads
	// in twenty turn safe.
	Minutes float64 `json:"minutes"`
	Says    string  `json:"says"`
}

// doubts says which figures would narrow safe most, the most telling first;
// what brings under a minute is left out.
func (s *setup) doubts(e *ensemble) []Doubt {
	out := []Doubt{}
	if e.safeOver == nil {
		return out
	}
	width := func(v spread) float64 {
		all := v.loads(500, s.all)
		m := make([]float64, len(all))
		for i := range all {
			z := all[i].thick
			// The quadratic's unit is the spread it was laid with.
			z[bySize] *= v.size() / e.spread.size()
			z[byHeatUp] *= v.heatUp / e.spread.heatUp
			z[byAirflow] *= v.airflow / e.spread.airflow
			z[byDial] *= v.dialC / e.spread.dialC
			m[i] = e.safeOver.at(&z)
		}
		slices.Sort(m)
		return m[len(m)-1-len(m)/40] - m[len(m)/40]
	}
	now := width(e.spread)
	add := func(field, what string, v spread) {
		if gone := math.Round(now - width(v)); gone >= 1 {
			out = append(out, Doubt{field, gone, what})
		}
	}
	if !s.measured {
		v := e.spread
		v.mean = ruler
		add("load.thicknessMm", "Measure the thickest", v)
	}
	if !s.timed && s.program.PreheatMin < 3 && s.program.HotFromC == 0 {
		v := e.spread
		v.heatUp = heatUpTimed
		add("fryer.heatUpMin", "Time the fryer to "+s.units.Degrees(200), v)
	}
	if s.all > 1 && s.pieceSpread > 5 {
		v := e.spread
		v.piece = 0.04
		add("load.spreadPct", "Choose pieces of one thickness", v)
	}
	slices.SortStableFunc(out, func(a, b Doubt) int { return int(math.Round(b.Minutes - a.Minutes)) })
	for i := range out {
		if out[i].Minutes == 1 {
			out[i].Says += ": a minute's doubt goes."
		} else {
			out[i].Says += fmt.Sprintf(": %.0f minutes' doubt go.", out[i].Minutes)
		}
	}
	return out
}

// sureBy returns the minute by which 95 in 100 loads are safe, or nil.
func (s *setup) sureBy(ctx context.Context) (*float64, error) {
	m, err := s.safes(ctx, 0)
	if err != nil || m == nil {
		return nil, err
	}
	return quantile(m, surely), nil
}

// safes returns when loads turn safe, in order, or nil if some are not by so
// many minutes past the tail: from few runs, along each figure apart, since
// only safe is asked and only what moves the thickest piece's counts.
func (s *setup) safes(ctx context.Context, past float64) ([]float64, error) {
	if past > 0 {
		on := *s
		on.tail = math.Min(past, MaxMinutes-s.minutes())
		s = &on
	}
	v := s.spread()
	const step = 1.5
	var z [dims]float64
	points := [][dims]float64{z}
	for k := range dims {
		if k == byBrowning {
			continue
		}
		for _, d := range [...]float64{-step, step} {
			p := z
			if p[k] = d; k == bySize && d > 0 {
				p[k] *= reach
			}
			points = append(points, p)
		}
	}
	safe := make([]float64, len(points))
	err := parallel(len(points), func(i int) error {
		r, err := newRun(s, v.at(&points[i]), searching)
		if err != nil {
			return err
		}
		r.carry(func(float64) bool { return ctx.Err() == nil && math.IsNaN(r.slowest().safeAt) })
		safe[i] = r.slowest().safeAt
		return ctx.Err()
	})
	if err != nil {
		return nil, err
	}
	for _, m := range safe {
		if math.IsNaN(m) {
			return nil, nil // some are not by the end of what was run
		}
	}
	var slope, bend [dims]float64
	for k, i := 0, 1; k < dims; k++ {
		if k == byBrowning {
			continue
		}
		// Through three points, of which the upper may lie farther out.
		a, b := points[i][k], points[i+1][k]
		da, db := (safe[i]-safe[0])/a, (safe[i+1]-safe[0])/b
		bend[k] = (db - da) / (b - a)
		slope[k] = da - bend[k]*a
		i += 2
	}
	all := v.loads(1000, s.all)
	m := make([]float64, len(all))
	for i := range all {
		m[i] = safe[0]
		for k, x := range all[i].thick {
			m[i] += slope[k]*x + bend[k]*x*x
		}
	}
	slices.Sort(m)
	return m, nil
}
