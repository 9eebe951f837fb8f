package verdict

import (
	"context"
	"math"

	"golang.org/x/sync/errgroup"

	"velocrustum/core/load"
	"velocrustum/core/run"
)

// A ChamberAnswer is what comes of one drawer, in its own minutes.
type ChamberAnswer struct {
	Name     string  `json:"name"` // left, right
	StartMin float64 `json:"startMin"`
	Answer
}

// A PlugMoment is what both heaters draw at a minute of the clock that both
// share, W.
type PlugMoment struct {
	Minute float64    `json:"minute"`
	W      [2]float64 `json:"w"`
}

// SimulateChambers answers for two drawers of one fryer, each under a program of
// its own: each by itself, on what the plug leaves to it, and at the top what
// holds for both on the clock that they share. More, if any, is said of each before
// that. The error is that of Simulate, or of more.
func SimulateChambers(ctx context.Context, of []load.Chamber, opt Options, more func(context.Context, *load.Load, *Answer) error) (Answer, error) {
	opt.ByLots = true
	loads, startS, err := load.OfChambers(of)
	if err != nil {
		return Answer{}, err
	}
	for k, l := range loads {
		loads[k] = opt.Carry(l)
	}
	loads, drawn, err := run.OnOnePlug(loads, startS)
	if err != nil {
		return Answer{}, err
	}
	each := make([]ChamberAnswer, len(of))
	g, ctx := errgroup.WithContext(ctx)
	for k, c := range of {
		g.Go(func() error {
			a, err := SimulateLoad(ctx, loads[k], opt)
			if err == nil && more != nil {
				err = more(ctx, loads[k], &a)
			}
			each[k] = ChamberAnswer{loads[k].Drawer, c.StartMin, a}
			return err
		})
	}
	if err := g.Wait(); err != nil {
		return Answer{}, err
	}
	return overBoth(each, loads, drawn), nil
}

// overBoth is what holds for both drawers: safe, crisp and ready with the last,
// overdone with the first, by the minutes of both.
func overBoth(each []ChamberAnswer, loads [2]*load.Load, drawn run.Drawn) Answer {
	last := 0
	shifted := func(m *float64, by float64) *float64 {
		if m == nil {
			return nil
		}
		at := *m + by
		return &at
	}
	for k := range each {
		if later(shifted(each[k].SafeAtMin, each[k].StartMin), shifted(each[last].SafeAtMin, each[last].StartMin)) {
			last = k
		}
	}
	out := each[last].Answer
	out.Lots, out.Chance, out.Warnings, out.Brushes = nil, nil, []Warning{}, nil
	out.SafeAtMin, out.TenderAtMin, out.CrispAtMin, out.OverAtMin, out.Window = new(float64), new(float64), new(float64), nil, Window{FromMin: new(float64)}
	mass, lost := 0.0, 0.0
	out.End.EnergyWh = 0
	for k := range each {
		a, by := &each[k].Answer, each[k].StartMin
		latest(&out.SafeAtMin, shifted(a.SafeAtMin, by))
		latest(&out.TenderAtMin, shifted(a.TenderAtMin, by))
		latest(&out.CrispAtMin, shifted(a.CrispAtMin, by))
		latest(&out.Window.FromMin, shifted(a.Window.FromMin, by))
		if to := shifted(a.OverAtMin, by); to != nil && (out.OverAtMin == nil || *to < *out.OverAtMin) {
			out.OverAtMin, out.Window.ToMin, out.Window.Bound = to, to, a.Window.Bound
		}
		out.End.CoreC, out.End.JuiceKeptPct = math.Min(out.End.CoreC, a.End.CoreC), math.Min(out.End.JuiceKeptPct, a.End.JuiceKeptPct)
		if a.End.Crust < out.End.Crust {
			out.End.Crust, out.End.CrustWords = a.End.Crust, a.End.CrustWords
		}
		out.End.EnergyWh += a.End.EnergyWh
		for _, lot := range loads[k].Lots {
			g := lot.MassG * float64(lot.All)
			mass, lost = mass+g, lost+g*a.End.MassLossPct
		}
		for _, w := range a.Warnings {
			w.Chamber = each[k].Name
			out.Warnings = append(out.Warnings, w)
		}
	}
	out.End.MassLossPct = lost / mass
	out.Verdict = both(each)
	out.Chambers = each
	for i := 0; i < max(len(drawn.W[0]), len(drawn.W[1])); i += int(30 / load.SupplyStep) {
		m := PlugMoment{Minute: (drawn.FromS + float64(i)*load.SupplyStep) / 60}
		for k := range m.W {
			span := drawn.W[k][min(i, len(drawn.W[k])):min(i+int(30/load.SupplyStep), len(drawn.W[k]))]
			for _, w := range span {
				m.W[k] += w / float64(len(span))
			}
		}
		out.Plug = append(out.Plug, m)
	}
	out.PlugSays = plugSays(out.Plug, loads[0].PlugW)
	return out
}

// both is the verdict over two drawers, on the clock that they share: ready
// together where their windows meet.
func both(each []ChamberAnswer) Verdict {
	worst := 0
	for k := range each {
		if severity[each[k].Verdict.Standing] < severity[each[worst].Verdict.Standing] {
			worst = k
		}
	}
	v := each[worst].Verdict
	if v.Standing == Unknown {
		return v
	}
	out := Verdict{Standing: v.Standing, Figure: v.Figure, Unit: v.Unit, SafeBy: v.SafeBy, CrispAt: v.CrispAt, Says: bothSays(each), First: bothFirst(each)}
	if !each[0].Verdict.Ready || !each[1].Verdict.Ready {
		return out
	}
	from, to := 0.0, math.Inf(1)
	for _, c := range each {
		from = max(from, *c.Verdict.FromMin+c.StartMin)
		if c.Verdict.ToMin != nil {
			to = min(to, *c.Verdict.ToMin+c.StartMin)
		}
	}
	out.Ready = true
	if to < from {
		out.Figure, out.Unit = apartFigure, ""
		return out
	}
	out.FromMin = &from
	if !math.IsInf(to, 1) {
		out.ToMin = &to
	}
	out.Figure, out.Unit = spanOf(from, out.ToMin)
	return out
}
