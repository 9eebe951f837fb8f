package program

import (
	"context"
	"math"
	"slices"

	"velocrustum/core/crust"
)

// Chance is the window over the spread of pieces, fryers and fridges.
type Chance struct {
	// LookFirstMin is when, in one load of ten, the first piece is safe:
	// before it there is nothing to find.
	LookFirstMin *float64 `json:"lookFirstMin"`
	// SafeByMin is when 95 loads in 100 are safe.
	SafeByMin *float64 `json:"safeByMin"`
	// CrispByMin is when 95 loads in 100 are crisp.
	CrispByMin *float64 `json:"crispByMin"`
	// HalfReadyMin is when half the loads are safe and crisp.
	HalfReadyMin *float64 `json:"halfReadyMin"`
	// BestUntilMin is when the first load in ten is overdone.
	BestUntilMin *float64 `json:"bestUntilMin"`
	// Samples is how many loads that is over, Runs how many were run for it,
	// and SlipMin by how many minutes a run that is left out is foretold
	// amiss; nil where loads were counted instead.
	Samples int      `json:"samples"`
	Runs    int      `json:"runs"`
	SlipMin *float64 `json:"slipMin"`
	// Doubts are the figures that would narrow it most, if they were known.
	Doubts []Doubt `json:"doubts"`
	// By is the chance each half minute that the whole load is safe, and
	// that it is safe and crisp, 0 to 1.
	By []ChanceAt `json:"by"`
	// Core is the spread of the coldest meat: the 5th and 95th percentile.
	Core []Band `json:"core"`
}

// ChanceAt is the chance at one minute.
type ChanceAt struct {
	Minute float64 `json:"minute"`
	Safe   float64 `json:"safe"`
	Crisp  float64 `json:"crisp"`
}

// Band is a spread at one minute, °C.
type Band struct {
	Minute float64 `json:"minute"`
	LowC   float64 `json:"lowC"`
	HighC  float64 `json:"highC"`
}

// surely is the share of drawn loads that "safe by" waits for, so that 95 in 100
// of real ones are safe by then in every kind: the draws and the quadratic are
// themselves amiss by up to a hundredth (TestTheWindowCoversWhatItSays).
const surely = 0.96

// chance gathers what varies into the window.
func chance(ctx context.Context, s *setup) ([]*Chance, error) {
	all, err := s.gather(ctx)
	if err != nil {
		return nil, err
	}
	out := make([]*Chance, len(all))
	for k, kind := range append([]*setup{s}, s.others...) {
		out[k] = kind.chance(all[k])
	}
	return out, nil
}

// chance reads the chances off the loads that were drawn.
func (s *setup) chance(e *ensemble) *Chance {
	ready := make([]float64, len(e.safe))
	for i := range ready {
		ready[i] = math.Max(e.safe[i], e.crisp[i])
	}
	sorted := func(m []float64) []float64 { m = slices.Clone(m); slices.Sort(m); return m }
	safe, crisp, over := sorted(e.safe), sorted(e.crisp), sorted(e.over)
	slices.Sort(ready)
	c := &Chance{
		LookFirstMin: quantile(sorted(e.first), 0.10), SafeByMin: quantile(safe, surely),
		CrispByMin: quantile(crisp, 0.95), HalfReadyMin: quantile(ready, 0.5), BestUntilMin: quantile(over, 0.10),
		Samples: Loads, Runs: e.runs, SlipMin: minute(e.slip), Doubts: s.doubts(e),
	}
	for i, band := range e.core {
		m := float64(i) / 2
		c.By = append(c.By, ChanceAt{Minute: m, Safe: share(safe, m), Crisp: share(ready, m)})
		c.Core = append(c.Core, Band{Minute: m, LowC: band[0], HighC: band[1]})
	}
	return c
}

// quantile returns the value that a share q of the sorted list does not
// exceed, or nil where that is never.
func quantile(sorted []float64, q float64) *float64 {
	v := sorted[min(len(sorted)-1, int(math.Ceil(q*float64(len(sorted))))-1)]
	if math.IsInf(v, 1) {
		return nil
	}
	return &v
}

// share returns the share of the sorted list that is not over v.
func share(sorted []float64, v float64) float64 {
	n, _ := slices.BinarySearchFunc(sorted, v, func(e, t float64) int {
		if e <= t {
			return -1
		}
		return 1
	})
	return float64(n) / float64(len(sorted))
}

// Options choose how much of an answer is wanted.
type Options struct {
	// NoChance leaves out the sampled window: one run instead of 65.
	NoChance bool
	// Changes has warnings propose what mends them, each simulated.
	Changes bool
	// Ahead carries the last stage on past the end, as far as a screen shows
	// what would come.
	Ahead bool
}

// aheadBy is how far a screen looks past the end, of the program's length,
// from 3 to 8 minutes.
const aheadBy = 0.2

// Simulate answers a request. The same request always has the same answer.
// The error is refuse.Fields for a request that cannot be simulated, or the
// context's.
func Simulate(ctx context.Context, q Request, opt Options) (Answer, error) {
	s, err := resolve(q)
	if err != nil {
		return Answer{}, err
	}
	s.alone = opt.NoChance
	if opt.Ahead {
		s.tail = math.Min(8, math.Max(3, math.Round(aheadBy*s.minutes())))
	}
	a, err := s.judged(ctx)
	if opt.NoChance {
		a.Verdict = unknown()
		for k := range a.Groups {
			a.Groups[k].Verdict = unknown()
		}
	}
	if err == nil && opt.Changes {
		if err = s.mend(ctx, &a, len(a.Warnings)); err == nil {
			a.Brushes, err = s.brushed(ctx)
		}
	}
	return a, err
}

// answer runs the nominal load.
func (s *setup) answer(res resolution) (Answer, error) {
	all, err := s.answers(res)
	if err != nil {
		return Answer{}, err
	}
	return all[0], nil
}

// answers runs the nominal load, and answers for each kind in the basket, the
// load's own first.
func (s *setup) answers(res resolution) ([]Answer, error) {
	lead, err := newRun(s, nominal, res)
	if err != nil {
		return nil, err
	}
	kinds := lead.everyone()
	out := make([]Answer, len(kinds))
	for i, r := range kinds {
		out[i] = r.begun()
	}
	lead.carry(func(minute float64) bool {
		for i, r := range kinds {
			out[i].Timeline = append(out[i].Timeline, r.moment(minute))
			if math.Abs(minute-s.minutes()) < 0.01 {
				out[i].End = r.end()
			}
		}
		return true
	})
	for i, r := range kinds {
		a := &out[i]
		if math.Mod(s.minutes(), 0.5) > 0.01 && s.tail == 0 { // the end falls between records
			a.End = r.end()
			a.Timeline = append(a.Timeline, r.moment(s.minutes()))
		}
		r.ended(a)
		r.breakages(r, a)
	}
	return out, nil
}

// begun is an answer before the load has run.
func (r *run) begun() Answer {
	s := r.setup
	a := Answer{Coverage: s.coverage, Layers: int(math.Ceil(s.coverage)), Warnings: []Warning{}}
	a.Rule = Rule{s.rule, s.inside()}
	a.Piece = PieceSize{
		ThicknessMm: s.piece.Thickness * 1000, LengthMm: s.piece.Length * 1000, WidthMm: s.piece.Width * 1000,
		SurfaceCm2: s.piece.Surface * 1e4, ShapeNumber: r.classes[0].body.Shape(), BoneShare: s.cut.Bone,
	}
	a.Piece.LeastMm, a.Piece.MostMm = s.cut.Thicknesses(s.massG)
	a.Basket = s.inBasket()
	return a
}

// ended says when what happened.
func (r *run) ended(a *Answer) {
	slow := r.slowest()
	a.SafeAtMin, a.TenderAtMin = minute(slow.safeAt), minute(slow.tenderAt)
	crisp, over, why := slow.crispAt, math.NaN(), ""
	for i := range r.classes {
		c := &r.classes[i]
		if later(c.crispAt, crisp) {
			crisp = c.crispAt
		}
		if !math.IsNaN(c.overAt) && !(over <= c.overAt) {
			over, why = c.overAt, c.over
		}
	}
	a.CrispAtMin = minute(crisp)
	a.Window.ToMin, a.Window.Bound = minute(over), why
	if from := math.Max(slow.safeAt, crisp); !math.IsNaN(from) {
		a.Window.FromMin = &from
	}
}

func minute(v float64) *float64 {
	if math.IsNaN(v) {
		return nil
	}
	return &v
}

// end describes the load as it is now.
func (r *run) end() End {
	c := r.slowest()
	e := End{
		CoreC: c.body.Coldest(), MassLossPct: r.massLoss(c), JuiceKeptPct: r.juice(c),
		Crust: r.crustOf(c), EnergyWh: r.fryer.EnergyJ() / 3600 * float64(r.drawers),
	}
	e.CrustWords = crust.Words(e.Crust)
	if c.fat0 > 0 {
		rendered := 100 * (1 - c.both(firm)/c.fat0)
		e.FatRenderedPct = &rendered
	}
	if r.pathogen.Name != "" {
		d := c.deaths
		e.LogReduction, e.Pathogen, e.PathogenSource = &d, r.pathogen.Name, r.pathogen.Source
	}
	return e
}
