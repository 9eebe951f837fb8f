package ensemble

import (
	"context"
	"math"
	"slices"
	"sync"

	"velocrustum/core/load"
	"velocrustum/core/run"
)

const (
	// Loads is how many loads an ensemble is of.
	Loads = 2000
	// sampledRuns are run for it; where no quadratic holds, countedRuns more.
	sampledRuns = 64
	countedRuns = 64
	// A quadratic holds if a run left out is foretold within so many
	// minutes, or within so much of the time.
	slipMin, slipShare = 0.35, 0.04
)

// Surely is the share of drawn loads that "safe by" waits for, so that 95 in 100
// of real ones are safe by then in every kind: the draws and the quadratic are
// themselves amiss by up to a hundredth (TestTheWindowCoversWhatItSays). Where cooks
// have shown what the fryer is, it waits for more: what they show is taken for certain in
// its form, and how far it may be off is itself worked out from few of them.
func Surely(m *load.Machine) float64 {
	if m.Learnt != nil {
		return 0.975
	}
	return 0.96
}

// An Ensemble is when what happens to one lot, over all that varies.
type Ensemble struct {
	// First, Safe, Crisp and Over are by load, minutes; +Inf for never: the
	// first piece safe, all pieces safe, all crisp, the first overdone.
	First, Safe, Crisp, Over []float64
	// Core is the 5th and the 95th percentile of the coldest spot each half
	// minute, °C.
	Core [][2]float64
	// Runs is how many were run for it; SlipMin by how many minutes a run that
	// is left out is foretold amiss, of safe; NaN where loads were counted.
	Runs    int
	SlipMin float64
	// Narrower are the figures that would narrow safe most.
	Narrower []Narrowing
	// Narrowed is by how many minutes the time is shorter in which nineteen loads in
	// twenty turn safe, by what cooks have shown of the fryer; 0 where they have not.
	Narrowed float64
}

// outcome is what one lot came to in one run.
type outcome struct {
	run.Times
	coldC []float64 // each half minute, of any piece
}

// Of runs a load over what varies, on all cores, and returns what comes of each
// of its lots, and of the whole: safe and crisp with the last lot, overdone
// with the first. All lots share the runs; each varies by its own pieces. The
// error is the context's, or that of run.Start.
func Of(ctx context.Context, l *load.Load) (lots []*Ensemble, whole *Ensemble, err error) {
	shown := l.Minutes() + l.TailMin
	on := l.CarriedOn(math.Max(l.TailMin, math.Max(10, 0.4*l.Minutes())))
	end := on.Minutes() + on.TailMin
	v := spreads(l)
	points := Sampled(sampledRuns)
	design, err := NewDesign(points)
	if err != nil {
		return nil, nil, err
	}
	runs := make([][]outcome, len(points))
	if err := run.Each(len(points), func(i int) (err error) {
		runs[i], err = outcomes(ctx, on, v.at(&points[i]), run.Fine, shown)
		return err
	}); err != nil {
		return nil, nil, err
	}
	together := v.draw(Loads, l.Lots)
	counted := sync.OnceValues(func() ([][]outcome, error) {
		out := make([][]outcome, countedRuns)
		few := v.draw(countedRuns, l.Lots)
		return out, run.Each(countedRuns, func(i int) (err error) {
			draw := v[0].At(&few[0][i].Thick)
			for k := range v {
				thick, thin := v[k].At(&few[k][i].Thick), v[k].At(&few[k][i].Thin)
				draw.OfLot = append(draw.OfLot, append(thick.Sizes, thin.Sizes...))
			}
			out[i], err = outcomes(ctx, on, draw, run.Coarse, shown)
			return err
		})
	})
	lots, shares := make([]*Ensemble, len(l.Lots)), make([]*Ensemble, len(l.Lots))
	if err := run.Each(len(l.Lots), func(k int) (err error) {
		d := drawing{load: l, lot: l.Lots[k], spread: v[k], design: design, outcomes: outcomesOfLot(runs, k), end: end}
		d.count = func() ([]outcome, error) {
			d.counted = true
			all, err := counted()
			return outcomesOfLot(all, k), err
		}
		if lots[k], err = d.draw(d.spread.Draw(Loads, d.lot.All)); err != nil || len(l.Lots) == 1 {
			return err
		}
		shares[k], err = d.draw(together[k])
		return err
	}); err != nil {
		return nil, nil, err
	}
	if len(lots) == 1 {
		return lots, lots[0], nil
	}
	return lots, joined(shares), nil
}

// joined is the whole of what lots came to in the same loads.
func joined(lots []*Ensemble) *Ensemble {
	first := lots[0]
	out := &Ensemble{First: slices.Clone(first.First), Safe: slices.Clone(first.Safe), Crisp: slices.Clone(first.Crisp), Over: slices.Clone(first.Over),
		Core: slices.Clone(first.Core), Runs: first.Runs, SlipMin: first.SlipMin, Narrower: first.Narrower, Narrowed: first.Narrowed}
	for _, o := range lots[1:] {
		if median(o.Safe, math.Inf(1)) > median(out.Safe, math.Inf(1)) {
			out.Narrower, out.Narrowed = o.Narrower, o.Narrowed // the last decides
		}
		for i := range out.Safe {
			out.First[i], out.Safe[i] = min(out.First[i], o.First[i]), max(out.Safe[i], o.Safe[i])
			out.Crisp[i], out.Over[i] = max(out.Crisp[i], o.Crisp[i]), min(out.Over[i], o.Over[i])
		}
		for i, band := range o.Core {
			out.Core[i] = [2]float64{min(out.Core[i][0], band[0]), min(out.Core[i][1], band[1])}
		}
		out.Runs, out.SlipMin = max(out.Runs, o.Runs), max(out.SlipMin, o.SlipMin)
	}
	return out
}

// outcomes runs one load, and reads what comes of each lot in it. After what is
// shown, minutes, it ends as soon as all is known.
func outcomes(ctx context.Context, l *load.Load, v run.Variation, fineness run.Fineness, shown float64) ([]outcome, error) {
	run.GiveWay(ctx)
	r, err := run.Start(l, v, fineness)
	if err != nil {
		return nil, err
	}
	out := make([]outcome, len(r.Lots))
	for k := range out {
		out[k].coldC = make([]float64, 0, int(2*shown)+2)
	}
	r.Carry(func(minute float64) bool {
		if minute <= shown+0.01 {
			for k, lot := range r.Lots {
				out[k].coldC = append(out[k].coldC, lot.ColdestC())
			}
			return ctx.Err() == nil
		}
		open := false
		for _, lot := range r.Lots {
			t := lot.Times()
			open = open || math.IsNaN(t.Safe) || math.IsNaN(t.Crisp) || math.IsNaN(t.Over)
		}
		return ctx.Err() == nil && open
	})
	for k, lot := range r.Lots {
		out[k].Times = lot.Times()
	}
	return out, ctx.Err()
}

func outcomesOfLot(runs [][]outcome, lot int) []outcome {
	out := make([]outcome, len(runs))
	for i, r := range runs {
		out[i] = r[lot]
	}
	return out
}

// drawing draws the loads of one lot from what its runs came to.
type drawing struct {
	load     *load.Load
	lot      *load.Lot
	spread   Spread
	design   *Design
	outcomes []outcome
	end      float64                   // minutes, of the runs
	count    func() ([]outcome, error) // runs loads, where no quadratic holds
	counted  bool
}

func (d *drawing) draw(all []Drawn) (*Ensemble, error) {
	e := &Ensemble{SlipMin: math.NaN(), Runs: len(d.outcomes)}
	safe, err := d.minutes(all, &e.Safe, true, func(o outcome) float64 { return o.Safe })
	if err != nil {
		return nil, err
	}
	if safe != nil {
		e.SlipMin, e.Narrower = safe.slip, narrower(d.load, d.lot, d.spread, &safe.Quadratic)
		e.Narrowed = narrowed(d.load, d.lot, d.spread, &safe.Quadratic)
	}
	for _, f := range []struct {
		into  *[]float64
		thick bool
		of    func(outcome) float64
	}{
		{&e.First, false, func(o outcome) float64 { return o.First }},
		{&e.Crisp, true, func(o outcome) float64 { return o.Crisp }},
		{&e.Over, false, func(o outcome) float64 { return o.Over }},
	} {
		if _, err := d.minutes(all, f.into, f.thick, f.of); err != nil {
			return nil, err
		}
	}
	if d.counted {
		e.Runs += countedRuns
	}
	e.Core = d.core(all[:min(len(all), 400)])
	return e, nil
}

// fitted is a quadratic that holds, and by how much a run left out is amiss.
type fitted struct {
	Quadratic
	slip float64
}

// minutes draws when something happens in every load, of its thickest or its
// thinnest piece: from a quadratic where one holds, else from loads that are
// counted, and then returns nil.
func (d *drawing) minutes(all []Drawn, into *[]float64, thick bool, of func(outcome) float64) (*fitted, error) {
	ran := make([]float64, len(d.outcomes))
	for i, o := range d.outcomes {
		ran[i] = of(o)
	}
	*into = make([]float64, len(all))
	q, slip, enough := d.design.Fit(ran, d.end)
	if enough && slip <= math.Max(slipMin, slipShare*median(ran, d.end)) {
		for i := range all {
			z := &all[i].Thin
			if thick {
				z = &all[i].Thick
			}
			if (*into)[i] = q.At(z); (*into)[i] > d.end {
				(*into)[i] = math.Inf(1)
			}
		}
		return &fitted{q, slip}, nil
	}
	if rare(ran, d.end) { // as good as never: no need to count
		for i := range *into {
			(*into)[i] = math.Inf(1)
		}
		return nil, nil
	}
	counted, err := d.count()
	if err != nil {
		return nil, err
	}
	// Each counted load stands for as many drawn ones.
	for i := range all {
		m := of(counted[i%countedRuns])
		if math.IsNaN(m) {
			m = math.Inf(1)
		}
		(*into)[i] = m
	}
	return nil, nil
}

// core is the spread of the coldest spot, half minute by half minute, clear of
// its own roundness: the same quadratic, over fewer loads.
func (d *drawing) core(few []Drawn) (out [][2]float64) {
	y, at := make([]float64, len(d.outcomes)), make([]float64, len(few))
	for t := range d.outcomes[0].coldC {
		low, high := math.Inf(1), math.Inf(-1)
		for i, o := range d.outcomes {
			y[i] = o.coldC[t]
			low, high = min(low, y[i]), max(high, y[i])
		}
		q := d.design.Through(y)
		for i := range few {
			at[i] = min(high, max(low, min(q.At(&few[i].Thick), q.At(&few[i].Thin))))
		}
		slices.Sort(at)
		out = append(out, [2]float64{at[len(at)/20], at[len(at)-1-len(at)/20]})
	}
	return out
}

// rare says whether hardly any run came to something at all.
func rare(minutes []float64, end float64) bool {
	n := 0
	for _, v := range minutes {
		if !math.IsNaN(v) && v <= end {
			n++
		}
	}
	return n <= len(minutes)/32
}

// median is that of minutes, with what is not there yet at the end.
func median(minutes []float64, end float64) float64 {
	s := slices.Clone(minutes)
	for i, v := range s {
		if math.IsNaN(v) {
			s[i] = end
		}
	}
	slices.Sort(s)
	return s[len(s)/2]
}

// Sorted is a copy of a list, in order.
func Sorted(list []float64) []float64 {
	list = slices.Clone(list)
	slices.Sort(list)
	return list
}

// Quantile returns the value that a share q of the sorted list does not
// exceed, or nil where that is never.
func Quantile(sorted []float64, q float64) *float64 {
	v := sorted[min(len(sorted)-1, int(math.Ceil(q*float64(len(sorted))))-1)]
	if math.IsInf(v, 1) {
		return nil
	}
	return &v
}

// Share returns the share of the sorted list that is not over v.
func Share(sorted []float64, v float64) float64 {
	n, _ := slices.BinarySearchFunc(sorted, v, func(e, t float64) int {
		if e <= t {
			return -1
		}
		return 1
	})
	return float64(n) / float64(len(sorted))
}
