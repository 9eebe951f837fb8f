package verdict

import (
	"context"
	"math"
	"slices"

	"velocrustum/core/ensemble"
	"velocrustum/core/load"
	"velocrustum/core/run"
)

// Options choose how much of an answer is wanted.
type Options struct {
	// NoChance leaves out the sampled window: one run instead of 65.
	NoChance bool
	// Ahead carries the last stage on past the end, as far as a screen shows
	// what would come.
	Ahead bool
	// ByLots answers by lots where there is one, as it was asked for.
	ByLots bool
}

// aheadBy is how far a screen looks past the end, of the program's length,
// from 3 to 8 minutes.
const aheadBy = 0.2

// Carry is a load carried on as far as is looked.
func (o Options) Carry(l *load.Load) *load.Load {
	if !o.Ahead {
		return l
	}
	return l.CarriedOn(math.Min(8, math.Max(3, math.Round(aheadBy*l.Minutes()))))
}

// Simulate answers a request. The same request always has the same answer.
// Without chances it has no verdict. The error is refuse.Fields for a request
// that cannot be simulated, or the context's.
func Simulate(ctx context.Context, q load.Request, opt Options) (Answer, error) {
	l, err := load.Of(q)
	if err != nil {
		return Answer{}, err
	}
	return SimulateLoad(ctx, opt.Carry(l), opt)
}

// SimulateLoad is Simulate of what has been made whole and carried on.
func SimulateLoad(ctx context.Context, l *load.Load, opt Options) (Answer, error) {
	a, err := Of(ctx, l, !opt.NoChance)
	if opt.NoChance {
		a.Verdict = unknown()
		for k := range a.Lots {
			a.Lots[k].Verdict, a.Lots[k].MayComeOutMin = unknown(), nil
		}
	}
	if opt.ByLots && len(l.Lots) == 1 && err == nil {
		a.Lots = []LotAnswer{ofLot(l, l.Lots[0], a)}
	}
	return a, err
}

// Of answers for a load, with its warnings. Sampled, it goes by 95 loads in
// 100; otherwise by the nominal one alone, which is for searches. The error is
// the context's, or that of run.Start.
func Of(ctx context.Context, l *load.Load, sampled bool) (Answer, error) {
	var over []*ensemble.Ensemble
	var whole *ensemble.Ensemble
	if sampled {
		var err error
		if over, whole, err = ensemble.Of(ctx, l); err != nil {
			return Answer{}, err
		}
	}
	all, err := Nominal(l)
	if err != nil {
		return Answer{}, err
	}
	for k, lot := range l.Lots {
		a := &all[k]
		if sampled {
			a.Chance = chance(over[k], l)
		}
		j := judging{load: l, lot: lot, answer: a}
		a.Warnings = append(a.Warnings, j.warnings()...)
		a.Verdict = j.verdict()
	}
	if len(all) == 1 {
		return all[0], nil
	}
	out := OverAll(l, all)
	lots := out.Lots
	if sampled {
		out.Chance = chance(whole, l)
	}
	mayComeOut(l, lots)
	out.Verdict = together(l, lots)
	return out, nil
}

// OverAll is what holds for all lots of a load, with the answers of each where
// there are several: safe, crisp and at its best with the
// last, overdone with the first, and at the end the worst of any. What is of
// one kind, like its line and its size, is that of the last to be safe.
func OverAll(l *load.Load, all []Answer) Answer {
	if len(all) == 1 {
		return all[0]
	}
	lots := make([]LotAnswer, len(all))
	for k, lot := range l.Lots {
		lots[k] = ofLot(l, lot, all[k])
	}
	last := 0
	for k := range lots {
		if later(lots[k].SafeAtMin, lots[last].SafeAtMin) {
			last = k
		}
	}
	out := lots[last].Answer
	out.Lots, out.Warnings = lots, []Warning{}
	basket := *out.Basket
	out.Basket = &basket
	mass, lost := 0.0, 0.0
	for k := range lots {
		a := &lots[k].Answer
		latest(&out.SafeAtMin, a.SafeAtMin)
		latest(&out.TenderAtMin, a.TenderAtMin)
		latest(&out.CrispAtMin, a.CrispAtMin)
		latest(&out.Window.FromMin, a.Window.FromMin)
		if to := a.Window.ToMin; to != nil && (out.Window.ToMin == nil || *to < *out.Window.ToMin) {
			out.OverAtMin, out.Window.ToMin, out.Window.Bound = to, to, a.Window.Bound
		}
		out.End.CoreC, out.End.JuiceKeptPct = math.Min(out.End.CoreC, a.End.CoreC), math.Min(out.End.JuiceKeptPct, a.End.JuiceKeptPct)
		if a.End.Crust < out.End.Crust {
			out.End.Crust, out.End.CrustWords = a.End.Crust, a.End.CrustWords
		}
		basket.Seam, basket.Tender = basket.Seam || a.Basket.Seam, basket.Tender || a.Basket.Tender
		g := l.Lots[k].MassG * float64(l.Lots[k].All)
		mass, lost = mass+g, lost+g*a.End.MassLossPct
		for _, w := range a.Warnings {
			w.Lot, w.LotName = k, lots[k].Name
			if !w.OfOne() && !slices.ContainsFunc(lots, func(g LotAnswer) bool { return !slices.ContainsFunc(g.Warnings, w.saysAs) }) {
				w.LotName = "" // what is said of all alike is said once
			}
			if w.LotName != "" || !slices.ContainsFunc(out.Warnings, w.saysAs) {
				out.Warnings = append(out.Warnings, w)
			}
		}
	}
	out.End.MassLossPct = lost / mass
	return out
}

// later says whether a comes after b, where nil is never.
func later(a, b *float64) bool { return b != nil && (a == nil || *a > *b) }

// latest moves a minute to a later one.
func latest(at **float64, to *float64) {
	if later(to, *at) {
		*at = to
	}
}

// judging is one lot of a load, and what came of it.
type judging struct {
	load   *load.Load
	lot    *load.Lot
	answer *Answer
}

// Nominal runs the nominal load, and answers for each of its lots, without
// chances, verdict or warnings but those of what is broken on the way. The
// error is that of run.Start.
func Nominal(l *load.Load) ([]Answer, error) {
	return nominal(l, run.Fine)
}

func nominal(l *load.Load, fineness run.Fineness) ([]Answer, error) {
	r, err := run.Start(l, run.Nominal, fineness)
	if err != nil {
		return nil, err
	}
	out := make([]Answer, len(r.Lots))
	for i, lot := range r.Lots {
		out[i] = begun(l, l.Lots[i], lot)
	}
	r.Carry(func(minute float64) bool {
		for i, lot := range r.Lots {
			out[i].Timeline = append(out[i].Timeline, lot.Moment(minute))
			// It may come out between looks.
			if left := l.End(l.Lots[i]) - minute; left > -0.01 && left < run.LookMin-0.01 {
				out[i].End = end(r, lot)
			}
		}
		return true
	})
	for i, lot := range r.Lots {
		a := &out[i]
		if math.Mod(l.Minutes(), run.LookMin) > 0.01 && l.TailMin == 0 { // the end falls between looks
			if math.IsInf(l.Lots[i].Out, 1) {
				a.End = end(r, lot)
			}
			a.Timeline = append(a.Timeline, lot.Moment(l.Minutes()))
		}
		a.take(lot.Times())
		a.Warnings = append(a.Warnings, (&judging{l, l.Lots[i], a}).torn()...)
	}
	return out, nil
}

// begun is an answer before the load has run.
func begun(l *load.Load, lot *load.Lot, on *run.Lot) Answer {
	a := Answer{Coverage: lot.Coverage, Layers: int(math.Ceil(lot.Coverage)), Warnings: []Warning{}, Rule: Rule{lot.Rule, lot.Inside()}}
	a.Piece = PieceSize{
		ThicknessMm: lot.Piece.Thickness * 1000, LengthMm: lot.Piece.Length * 1000, WidthMm: lot.Piece.Width * 1000,
		SurfaceCm2: lot.Piece.Surface * 1e4, ShapeNumber: on.Shape(), BoneShare: lot.Cut.Bone, Spots: lot.Cut.SpotNames(),
	}
	a.Piece.LeastMm, a.Piece.MostMm = lot.Cut.Thicknesses(lot.MassG)
	a.Basket = inBasket(l, lot)
	return a
}

// inBasket lays a lot out and says how full its basket is.
func inBasket(l *load.Load, lot *load.Lot) *InBasket {
	b := &InBasket{Words: crowdingWords[load.CrowdingAt(lot.Coverage)], Room: l.Room(lot), Most: l.Most(lot.Piece), Pieces: l.Lies(lot)}
	b.Seam = lot.Wrapped()
	b.Tender = lot.Coating.Sets > 0 && !lot.Wrapped()
	return b
}

// take notes when what happened.
func (a *Answer) take(t run.Times) {
	a.SafeAtMin, a.TenderAtMin, a.CrispAtMin = happened(t.Safe), happened(t.Tender), happened(t.Crisp)
	a.OverAtMin, a.Window.Bound = happened(t.Over), t.Why
	a.Window.ToMin = a.OverAtMin
	a.Window.FromMin = happened(math.Max(t.Safe, t.Crisp))
}

// happened is a minute, or nil where it is never.
func happened(minute float64) *float64 {
	if math.IsNaN(minute) {
		return nil
	}
	return &minute
}

// end describes a lot as it is now.
func end(r *run.Run, lot *run.Lot) End {
	s := lot.State()
	e := End{CoreC: s.CoreC, MassLossPct: s.MassLossPct, JuiceKeptPct: s.JuicePct, FatRenderedPct: happened(s.RenderedPct),
		Crust: s.Crust, CrustWords: crustWords(s.Crust, s.Lacquer), EnergyWh: r.EnergyWh()}
	if s.Pathogen != "" {
		e.LogReduction, e.Pathogen, e.PathogenSource = &s.Reductions, s.Pathogen, s.PathogenSource
	}
	return e
}

// sooner is the least by which it pays to take a lot out before the others, minutes.
const sooner = 2

// ofLot names an answer by its lot, and says when it goes in and comes out.
func ofLot(l *load.Load, lot *load.Lot, a Answer) LotAnswer {
	return LotAnswer{Name: lot.Name, Cut: lot.Cut.ID, Pieces: lot.All, InMin: lot.In, OutMin: l.End(lot), Answer: a}
}

// mayComeOut says which lots may come out before the others; somebody stays.
func mayComeOut(l *load.Load, lots []LotAnswer) {
	last := 0.0
	for k := range lots {
		g := &lots[k]
		at := g.OutMin
		safe := g.Verdict.SafeAtMin
		switch from, to := g.Verdict.FromMin, g.Window.ToMin; {
		case from != nil && g.Verdict.Ready:
			at = math.Ceil(*from)
		case safe != nil && to != nil:
			// It is too much before it is crisp: as late as it stands, but safe.
			at = math.Max(NotBefore(*safe), math.Floor(*to))
		}
		if g.OutMin >= l.Minutes() && g.Verdict.Standing != Unknown {
			g.MayComeOutMin = &at
			last = max(last, at)
		}
	}
	last = min(last, l.Minutes())
	for k := range lots {
		if m := lots[k].MayComeOutMin; m != nil && *m > last-sooner {
			lots[k].MayComeOutMin = nil
		}
	}
}
