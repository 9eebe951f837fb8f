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

// A Belief is a load with what may be true of its lots and its fryer. It may be
// asked again and again as more is seen.
type Belief struct {
	load *load.Load
	lots []*lotBelief
}

// A lotBelief is what may be true of one lot of a load.
type lotBelief struct {
	load    *load.Load
	lot     *load.Lot
	carried *load.Load      // through the time that is looked at
	end     float64         // of that, minutes
	wide    ensemble.Spread // of the runs
	priorSd ensemble.Point  // of the window, in units of the wide spread
	size    struct{ mean, sd float64 }
	learnt  *gaussian // the fryer's figures, in the same units, where cooks have shown them

	// By look, of a load: coldest spot of its thickest piece, stage of the face
	// that is up, the air around it.
	coldC, upBrown, airC []ensemble.Quadratic
	// upEnds are upBrown at the back and at the front; none where they are not told apart.
	upEnds            [2][]ensemble.Quadratic
	safe, crisp, over event
	pace              *paceModel    // what a thermometer has to say
	unseen            weightedLoads // the loads with nothing seen
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
	out := &Belief{load: l}
	for _, lot := range l.Lots {
		b := &lotBelief{load: l, lot: lot, carried: lookedAt(l)}
		b.end = b.carried.Minutes() + b.carried.TailMin
		b.widen()
		out.lots = append(out.lots, b)
	}
	points := ensemble.Sampled(beliefRuns)
	design, err := ensemble.NewDesign(points)
	if err != nil {
		return nil, err
	}
	runs := make([][]sampled, len(points)) // by lot: all share them
	if err := run.Each(len(points), func(i int) (err error) {
		runs[i], err = sample(ctx, out.lots[0].carried, out.at(&points[i]))
		return err
	}); err != nil {
		return nil, err
	}
	thick, fan, err := out.alone(ctx)
	if err != nil {
		return nil, err
	}
	for k, b := range out.lots {
		own := make([]sampled, len(runs))
		for i := range runs {
			own[i] = runs[i][k]
		}
		if err := b.take(design, points, own, thick[k], fan[k]); err != nil {
			return nil, err
		}
	}
	return out, nil
}

// at turns a point into what it stands for, of each lot.
func (b *Belief) at(z *ensemble.Point) run.Variation {
	v := b.lots[0].wide.At(z)
	for _, lot := range b.lots {
		v.OfLot = append(v.OfLot, lot.wide.At(z).Sizes)
	}
	return v
}

// take lays what is believed of a lot through its runs. The error is
// refuse.Fields.
func (b *lotBelief) take(design *ensemble.Design, points []ensemble.Point, runs []sampled, thick, fan []pacedRun) error {
	b.lay(design, runs)
	if !b.safe.holds {
		return refuse.One("program.stages", fmt.Sprintf("%.0f minutes", b.load.Minutes()), "a program by which it is safe inside, or nearly so")
	}
	all := make([]pacedRun, len(points))
	for i, r := range runs {
		all[i] = pacedRun{r.Safe, r.coldC, r.bend}
		if math.IsNaN(r.Safe) {
			all[i].safe = math.Max(b.end, b.safe.minute(&points[i]))
		}
	}
	b.pace = newPaceModel(all, thick, fan, run.LookMin, b.end, b.lot.Measured)
	b.unseen = b.weigh(nil, false)
	return nil
}

// widen sets the spread of the runs, and the prior of the window over it.
func (b *lotBelief) widen() {
	narrow := ensemble.SpreadOf(&b.load.Machine, b.lot)
	wide := narrow.Apart()
	wide.Piece = math.Max(narrow.Piece, widePiece)
	wide.Airflow, wide.DialC, wide.StartC = math.Max(narrow.Airflow, wideAirflow), math.Max(narrow.DialC, wideDialC), math.Max(narrow.StartC, wideStartC)
	b.wide = wide
	b.priorSd = ensemble.Point{ensemble.ByAirflow: narrow.Airflow / wide.Airflow, ensemble.ByDial: narrow.DialC / wide.DialC, ensemble.ByStart: narrow.StartC / wide.StartC,
		ensemble.ByHeatUp: 1, ensemble.ByWicks: 1, ensemble.ByBrowning: 1}
	b.learnt = learntPrior(b.load.Learnt, wide)
	var sizes []float64
	for _, d := range narrow.Draw(500, b.lot.All) {
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
	upEnds                     [2][]float64 // upBrown at the back and at the front
}

// sample runs one load to its end, and reads each lot.
func sample(ctx context.Context, l *load.Load, v run.Variation) ([]sampled, error) {
	run.GiveWay(ctx)
	r, err := run.Start(l, v, run.Coarse)
	if err != nil {
		return nil, err
	}
	out := make([]sampled, len(r.Lots))
	r.Carry(func(float64) bool {
		for k, lot := range r.Lots {
			s := &out[k]
			s.coldC, s.upBrown = append(s.coldC, lot.CoreC()), append(s.upBrown, lot.UpBrown())
			s.airC, s.bend = append(s.airC, r.AirC()), append(s.bend, lot.Bend())
			for end, where := range ends {
				if lot.Uneven() {
					s.upEnds[end] = append(s.upEnds[end], lot.UpBrownAt(where))
				}
			}
		}
		return ctx.Err() == nil
	})
	for k, lot := range r.Lots {
		out[k].Times = lot.Times()
	}
	return out, ctx.Err()
}

// lay lays quadratics through what was looked at, and through when what
// happened.
func (b *lotBelief) lay(design *ensemble.Design, runs []sampled) {
	y := make([]float64, len(runs))
	for t := range int(b.end/run.LookMin) + 1 {
		for _, f := range []struct {
			of   func(*sampled) []float64
			into *[]ensemble.Quadratic
		}{
			{func(s *sampled) []float64 { return s.coldC }, &b.coldC},
			{func(s *sampled) []float64 { return s.upBrown }, &b.upBrown},
			{func(s *sampled) []float64 { return s.airC }, &b.airC},
			{func(s *sampled) []float64 { return s.upEnds[0] }, &b.upEnds[0]},
			{func(s *sampled) []float64 { return s.upEnds[1] }, &b.upEnds[1]},
		} {
			if f.of(&runs[0]) == nil {
				continue
			}
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

// alone runs loads that differ by their thickness alone, and by the fan alone,
// and reads each lot.
func (b *Belief) alone(ctx context.Context) (thick, fan [][]pacedRun, err error) {
	carried, end := b.lots[0].carried, b.lots[0].end
	l := carried.CarriedOn(math.Max(0, math.Min(3*end, load.MaxMinutes)-carried.Minutes()))
	out := make([][]pacedRun, len(thicknesses)+len(fans))
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
		out[i] = make([]pacedRun, len(r.Lots))
		r.Carry(func(minute float64) bool {
			for k, lot := range r.Lots {
				out[i][k].coldC = append(out[i][k].coldC, lot.CoreC())
			}
			return ctx.Err() == nil && !(minute > 1.5*r.SafeAt())
		})
		for k, lot := range r.Lots {
			out[i][k].safe = lot.SafeAt()
		}
		return ctx.Err()
	})
	if err != nil {
		return nil, nil, err
	}
	safe := func(runs [][]pacedRun, lot int) (of []pacedRun) {
		for _, r := range runs {
			if !math.IsNaN(r[lot].safe) {
				of = append(of, r[lot])
			}
		}
		return of
	}
	for k := range b.lots {
		thick, fan = append(thick, safe(out[:len(thicknesses)], k)), append(fan, safe(out[len(thicknesses):], k))
	}
	return thick, fan, nil
}

// between is a figure of loads at a minute, between the looks.
func between(figure []ensemble.Quadratic, minute float64) ensemble.Quadratic {
	t := math.Max(0, math.Min(minute/run.LookMin, float64(len(figure)-1)))
	i := int(math.Min(t, float64(len(figure)-2)))
	f := t - float64(i)
	q, next := figure[i], &figure[i+1]
	for k := range q {
		q[k] = q[k]*(1-f) + next[k]*f
	}
	return q
}

// ends are those of a basket, as upEnds has them.
var ends = [2]string{load.AtBack, load.AtFront}

// upAt is the stage of the face that is up where a look was.
func (b *lotBelief) upAt(where string) []ensemble.Quadratic {
	if end := slices.Index(ends[:], where); end >= 0 && b.upEnds[end] != nil {
		return b.upEnds[end]
	}
	return b.upBrown
}

// at is that figure of one load.
func (b *lotBelief) at(figure []ensemble.Quadratic, z *ensemble.Point, minute float64) float64 {
	q := between(figure, minute)
	return q.At(z)
}
