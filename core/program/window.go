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
	Samples      int      `json:"samples"`
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

// Samples is how many loads the window draws.
const Samples = 64

// Spread is taken as two standard deviations: nineteen in twenty lie inside.
const (
	thicknessSpread = 0.08 // of a piece's thickness
	airflowSpread   = 0.15 // of the fryer's
	dialSpreadC     = 6.0
	fridgeSpreadC   = 2.0
)

// draws returns n fixed quasi-random variations of so many pieces whose
// thickness spreads so far: the additive recurrence of
// the generalised golden ratio in four dimensions (Roberts 2018), which is
// even for every n and the same for every call.
func draws(n, pieces int, spread float64) []variation {
	const dim = 5
	g := 1.0
	for range 60 { // the positive root of g^(dim+1) = g + 1
		g = math.Pow(1+g, 1.0/(dim+1))
	}
	out := make([]variation, n)
	for i := range out {
		var u [dim]float64
		for k := range u {
			_, u[k] = math.Modf(0.5 + float64(i+1)*math.Pow(g, -float64(k+1)))
		}
		// The thickest and thinnest of so many pieces: their order
		// statistics, each from its own draw.
		thick := normal(math.Pow(u[0], 1/float64(pieces)))
		thin := normal(1 - math.Pow(u[4], 1/float64(pieces)))
		if pieces == 1 {
			thin = thick
		}
		out[i] = variation{
			sizes:   []float64{1 + spread/2*thick, 1 + spread/2*min(thin, thick)},
			airflow: 1 + airflowSpread/2*normal(u[1]),
			dialC:   dialSpreadC / 2 * normal(u[2]),
			startC:  fridgeSpreadC / 2 * normal(u[3]),
		}
	}
	return out
}

// normal returns the standard normal quantile of u, within ±3.
func normal(u float64) float64 {
	return max(-3, min(3, math.Sqrt2*math.Erfinv(2*u-1)))
}

// sample is one load's outcome.
type sample struct {
	first, safe, crisp, over float64 // first: of its first piece
	core                     []float64
}

// outcome runs one variation without keeping a timeline.
func outcome(ctx context.Context, s *setup, v variation) (sample, error) {
	r, err := newRun(s, v, standard)
	if err != nil {
		return sample{}, err
	}
	var core []float64
	r.carry(standard, func(float64) bool {
		cold := math.Inf(1)
		for i := range r.classes {
			cold = min(cold, r.classes[i].lastC)
		}
		core = append(core, cold)
		return ctx.Err() == nil
	})
	out := sample{core: core, first: math.NaN(), over: math.NaN()}
	for i := range r.classes {
		c := &r.classes[i]
		if later(out.first, c.safeAt) {
			out.first = c.safeAt
		}
		if i == 0 || later(c.safeAt, out.safe) {
			out.safe = c.safeAt
		}
		if i == 0 || later(c.crispAt, out.crisp) {
			out.crisp = c.crispAt
		}
		if math.IsNaN(out.over) || c.overAt < out.over {
			out.over = c.overAt
		}
	}
	return out, ctx.Err()
}

// chance samples the spread, on all cores.
func chance(ctx context.Context, s *setup) (*Chance, error) {
	all := draws(Samples, s.pieces*s.drawers, s.spread/100)
	results := make([]sample, len(all))
	err := parallel(len(all), func(i int) (err error) {
		results[i], err = outcome(ctx, s, all[i])
		return err
	})
	if err != nil {
		return nil, err
	}
	pick := func(f func(sample) float64) []float64 {
		out := make([]float64, len(results))
		for i, r := range results {
			if out[i] = f(r); math.IsNaN(out[i]) {
				out[i] = math.Inf(1)
			}
		}
		slices.Sort(out)
		return out
	}
	safe := pick(func(r sample) float64 { return r.safe })
	first := pick(func(r sample) float64 { return r.first })
	crisp := pick(func(r sample) float64 { return r.crisp })
	ready := pick(func(r sample) float64 { return math.Max(r.safe, r.crisp) })
	over := pick(func(r sample) float64 { return r.over })
	c := &Chance{
		LookFirstMin: quantile(first, 0.10), SafeByMin: quantile(safe, 0.95),
		CrispByMin: quantile(crisp, 0.95), HalfReadyMin: quantile(ready, 0.5), BestUntilMin: quantile(over, 0.10), Samples: len(all),
	}
	cores := make([]float64, len(results))
	for i := range results[0].core {
		m := float64(i) / 2
		c.By = append(c.By, ChanceAt{Minute: m, Safe: share(safe, m), Crisp: share(ready, m)})
		for k := range results {
			cores[k] = results[k].core[i]
		}
		slices.Sort(cores)
		c.Core = append(c.Core, Band{Minute: m, LowC: cores[len(cores)/20], HighC: cores[len(cores)-1-len(cores)/20]})
	}
	return c, nil
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
}

// Simulate answers a request. The same request always has the same answer.
// The error is FieldErrors for a request that cannot be simulated, or the
// context's.
func Simulate(ctx context.Context, q Request, opt Options) (Answer, error) {
	s, err := resolve(q)
	if err != nil {
		return Answer{}, err
	}
	a, err := s.answer(standard)
	if err != nil {
		return Answer{}, err
	}
	if !opt.NoChance {
		if a.Chance, err = chance(ctx, &s); err != nil {
			return Answer{}, err
		}
	}
	a.Warnings = append(a.Warnings, s.warnings(&a)...)
	a.Verdict = s.verdict(&a)
	return a, nil
}

// answer runs the nominal load.
func (s *setup) answer(res resolution) (Answer, error) {
	r, err := newRun(s, nominal, res)
	if err != nil {
		return Answer{}, err
	}
	a := Answer{Coverage: s.coverage, Layers: int(math.Ceil(s.coverage)), Warnings: []Warning{}}
	a.Rule = Rule{s.rule.CoreC, s.rule.HoldMin, s.rule.RestMin, s.rule.Words, s.rule.Source}
	a.Piece = PieceSize{
		ThicknessMm: s.piece.Thickness * 1000, LengthMm: s.piece.Length * 1000, WidthMm: s.piece.Width * 1000,
		SurfaceCm2: s.piece.Surface * 1e4, ShapeNumber: s.piece.Shape(), BoneShare: s.cut.Bone,
	}
	a.Piece.LeastMm, a.Piece.MostMm = s.cut.Thicknesses(s.massG)
	a.Basket = s.inBasket()
	r.carry(res, func(minute float64) bool {
		a.Timeline = append(a.Timeline, r.moment(minute))
		if math.Abs(minute-s.minutes) < 0.01 {
			a.End = r.end()
		}
		return true
	})
	if math.Mod(s.minutes, 0.5) > 0.01 { // the end falls between records
		if s.tail == 0 {
			a.End = r.end()
			a.Timeline = append(a.Timeline, r.moment(s.minutes))
		}
	}
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
	s.breakages(r, &a)
	return a, nil
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
		rendered := 100 * (1 - c.body.Fat()/c.fat0)
		e.FatRenderedPct = &rendered
	}
	if r.pathogen.Name != "" {
		d := c.deaths
		e.LogReduction, e.Pathogen, e.PathogenSource = &d, r.pathogen.Name, r.pathogen.Source
	}
	return e
}
