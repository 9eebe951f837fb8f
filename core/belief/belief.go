package belief

import (
	"context"
	"fmt"
	"math"
	"slices"

	"velocrustum/core/ensemble"
	"velocrustum/core/load"
	"velocrustum/core/refuse"
	"velocrustum/core/run"
)

const (
	beliefRuns = 96
	// What a fryer that nobody has measured may be, nineteen in twenty.
	wideAirflow, wideDialC, widePiece, wideStartC = 0.32, 11.0, 0.13, 4.0
)

// What loads are run that differ by their thickness alone, and by the fan.
var (
	thicknesses = [...]float64{0.85, 1, 1.15, 1.3, 1.5, 1.75}
	fans        = [...]float64{0.4, 0.55, 0.75, 1, 1.35}
)

// A Belief is a load with what may be true of it and its fryer. It may be asked
// again and again as more is seen.
type Belief struct {
	load    *load.Load
	carried *load.Load      // through the time that is looked at
	end     float64         // of that, minutes
	wide    ensemble.Spread // of the runs
	priorSd ensemble.Point  // of the window, in units of the wide spread
	size    struct{ mean, sd float64 }

	// By look, of a load: coldest spot of its thickest piece, stage of the face
	// that is up, the air around it.
	coldC, upBrown, airC []ensemble.Quadratic
	safe, crisp, over    event
	pace                 *paceModel    // what a thermometer has to say
	unseen               weightedLoads // the loads with nothing seen
}

// An event is when something happens to a load: a quadratic of log minutes,
// where enough runs come to it.
type event struct {
	log   ensemble.Quadratic
	holds bool
}

func (e *event) minute(z *ensemble.Point) float64 { return math.Exp(e.log.At(z)) }

// Believe lays the runs of a cook whose program is what has happened and what
// is still to come. The error is refuse.Fields, or the context's.
func Believe(ctx context.Context, q load.Request) (*Belief, error) {
	l, err := load.Of(q)
	if err != nil {
		return nil, err
	}
	return believe(ctx, l)
}

// lookedAt is a load carried on through the time that is looked at.
func lookedAt(l *load.Load) *load.Load {
	return l.CarriedOn(math.Min(math.Max(15, 0.7*l.Minutes()), load.MaxMinutes-l.Minutes()))
}

func believe(ctx context.Context, l *load.Load) (*Belief, error) {
	b := &Belief{load: l, carried: lookedAt(l)}
	b.end = b.carried.Minutes() + b.carried.TailMin
	b.widen()
	points := ensemble.Sampled(beliefRuns)
	design, err := ensemble.NewDesign(points)
	if err != nil {
		return nil, err
	}
	runs := make([]sampled, len(points))
	if err := run.Each(len(points), func(i int) (err error) {
		runs[i], err = sample(ctx, b.carried, b.wide.At(&points[i]))
		return err
	}); err != nil {
		return nil, err
	}
	b.lay(design, runs)
	if !b.safe.holds {
		return nil, refuse.One("program.stages", fmt.Sprintf("%.0f minutes", l.Minutes()), "a program by which it is safe inside, or nearly so")
	}
	all := make([]pacedRun, len(points))
	for i, r := range runs {
		all[i] = pacedRun{r.Safe, r.coldC, r.bend}
		if math.IsNaN(r.Safe) {
			all[i].safe = math.Max(b.end, b.safe.minute(&points[i]))
		}
	}
	thick, fan, err := b.alone(ctx)
	if err != nil {
		return nil, err
	}
	b.pace = newPaceModel(all, thick, fan, run.LookMin, b.end, l.Own().Measured)
	b.unseen = b.weigh(nil, false)
	return b, nil
}

// widen sets the spread of the runs, and the prior of the window over it.
func (b *Belief) widen() {
	narrow := ensemble.SpreadOf(&b.load.Machine, b.load.Lots...)
	wide := narrow
	wide.Piece = math.Max(narrow.Piece, widePiece)
	wide.Airflow, wide.DialC, wide.StartC = math.Max(narrow.Airflow, wideAirflow), math.Max(narrow.DialC, wideDialC), math.Max(narrow.StartC, wideStartC)
	b.wide = wide
	b.priorSd = ensemble.Point{ensemble.ByAirflow: narrow.Airflow / wide.Airflow, ensemble.ByDial: narrow.DialC / wide.DialC, ensemble.ByStart: narrow.StartC / wide.StartC,
		ensemble.ByHeatUp: 1, ensemble.ByWicks: 1, ensemble.ByBrowning: 1}
	var sizes []float64
	for _, d := range narrow.Draw(500, b.load.Own().All) {
		sizes = append(sizes, d.Thick[ensemble.BySize]*narrow.Size()/wide.Size())
	}
	b.size.mean, b.size.sd = meanAndSd(sizes)
}

func meanAndSd(v []float64) (mean, sd float64) {
	for _, x := range v {
		mean += x / float64(len(v))
	}
	for _, x := range v {
		sd += (x - mean) * (x - mean) / float64(len(v))
	}
	return mean, math.Sqrt(sd)
}

// sampled is what was looked at in one run, by look, and when what happened.
type sampled struct {
	run.Times
	coldC, upBrown, airC, bend []float64
}

// sample runs one load to its end.
func sample(ctx context.Context, l *load.Load, v run.Variation) (s sampled, err error) {
	r, err := run.Start(l, v, run.Coarse)
	if err != nil {
		return s, err
	}
	own := r.Own()
	r.Carry(func(float64) bool {
		s.coldC, s.upBrown = append(s.coldC, own.CoreC()), append(s.upBrown, own.UpBrown())
		s.airC, s.bend = append(s.airC, r.AirC()), append(s.bend, own.Bend())
		return ctx.Err() == nil
	})
	s.Times = own.Times()
	return s, ctx.Err()
}

// lay lays quadratics through what was looked at, and through when what
// happened.
func (b *Belief) lay(design *ensemble.Design, runs []sampled) {
	y := make([]float64, len(runs))
	for t := range int(b.end/run.LookMin) + 1 {
		for _, f := range []struct {
			of   func(*sampled) []float64
			into *[]ensemble.Quadratic
		}{
			{func(s *sampled) []float64 { return s.coldC }, &b.coldC},
			{func(s *sampled) []float64 { return s.upBrown }, &b.upBrown},
			{func(s *sampled) []float64 { return s.airC }, &b.airC},
		} {
			for i := range runs {
				line := f.of(&runs[i])
				y[i] = line[min(t, len(line)-1)]
			}
			*f.into = append(*f.into, design.Through(y))
		}
	}
	for _, f := range []struct {
		of   func(*sampled) float64
		into *event
	}{
		{func(s *sampled) float64 { return s.Safe }, &b.safe},
		{func(s *sampled) float64 { return s.Crisp }, &b.crisp},
		{func(s *sampled) float64 { return s.Over }, &b.over},
	} {
		for i := range runs {
			y[i] = math.Log(f.of(&runs[i]))
		}
		f.into.log, _, f.into.holds = design.Fit(y, math.Log(b.end))
	}
}

// alone runs loads that differ by their thickness alone, and by the fan alone.
func (b *Belief) alone(ctx context.Context) (thick, fan []pacedRun, err error) {
	l := b.carried.CarriedOn(math.Max(0, math.Min(3*b.end, load.MaxMinutes)-b.carried.Minutes()))
	out := make([]pacedRun, len(thicknesses)+len(fans))
	err = run.Each(len(out), func(i int) error {
		v := run.Nominal
		if i < len(thicknesses) {
			v.Sizes = thicknesses[i : i+1]
		} else {
			v.Airflow = fans[i-len(thicknesses)]
		}
		r, err := run.Start(l, v, run.Coarse)
		if err != nil {
			return err
		}
		own := r.Own()
		r.Carry(func(minute float64) bool {
			out[i].coldC = append(out[i].coldC, own.CoreC())
			return ctx.Err() == nil && !(minute > 1.5*own.SafeAt())
		})
		out[i].safe = own.SafeAt()
		return ctx.Err()
	})
	safe := func(runs []pacedRun) []pacedRun {
		return slices.DeleteFunc(runs, func(r pacedRun) bool { return math.IsNaN(r.safe) })
	}
	return safe(out[:len(thicknesses):len(thicknesses)]), safe(out[len(thicknesses):]), err
}

// at is a figure of a load at a minute, between the looks.
func (b *Belief) at(figure []ensemble.Quadratic, z *ensemble.Point, minute float64) float64 {
	t := math.Max(0, math.Min(minute/run.LookMin, float64(len(figure)-1)))
	i := int(math.Min(t, float64(len(figure)-2)))
	f := t - float64(i)
	return figure[i].At(z)*(1-f) + figure[i+1].At(z)*f
}
