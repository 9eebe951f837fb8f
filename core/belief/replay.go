package belief

import (
	"cmp"
	"context"
	"math"
	"slices"

	"velocrustum/core/ensemble"
	"velocrustum/core/load"
	"velocrustum/core/refuse"
	"velocrustum/core/run"
)

// Replay foresees a cook: first with nothing seen, then after each thing that
// was, in the order of their minutes. What is turned late is turned then. The
// error is refuse.Fields, or the context's.
func Replay(ctx context.Context, q load.Request, seen []Evidence) ([]Foreseen, error) {
	l, err := load.Of(q)
	if err != nil {
		return nil, refuse.Under("request.", err)
	}
	if err := CheckEvidence(seen, len(l.Lots)); err != nil {
		return nil, err
	}
	all := slices.Clone(seen)
	slices.SortStableFunc(all, func(a, b Evidence) int { return cmp.Compare(a.AtMin, b.AtMin) })
	first, err := unseen(ctx, l)
	if err != nil {
		return nil, err
	}
	out := []Foreseen{first}
	var b *Belief
	turned := 0
	for i, e := range all {
		if e.Kind == SeenTurn {
			if turned < len(l.Program.Turns) {
				l, b = l.UnderProgram(l.Program.Turning(turned, math.Min(e.AtMin, l.Minutes()-0.5))), nil
			}
			turned++
		}
		if b == nil {
			if b, err = believe(ctx, l); err != nil {
				return nil, err
			}
		}
		// What happens at one moment is weighed together, in any order.
		upTo := i + 1
		for upTo < len(all) && all[upTo].AtMin == e.AtMin {
			upTo++
		}
		f, _ := b.foresee(all[:upTo], e.AtMin)
		out = append(out, f)
	}
	return out, nil
}

// unseen is the forecast with nothing seen: the window's own.
func unseen(ctx context.Context, l *load.Load) (Foreseen, error) {
	on := lookedAt(l)
	each, _, err := ensemble.Of(ctx, on)
	if err != nil {
		return Foreseen{}, err
	}
	r, err := run.Start(on, run.Nominal, run.Fine)
	if err != nil {
		return Foreseen{}, err
	}
	b := &Belief{load: l}
	lots := make([]Foreseen, len(each))
	for k, e := range each {
		f := &lots[k]
		f.CoreC, f.CoreSdC = r.Lots[k].CoreC(), ensemble.FridgeSpreadC/2*l.Lots[k].ColdVaries()
		safe := ensemble.Sorted(e.Safe)
		f.SafeAtMin, f.SafeByMin = ensemble.Quantile(safe, 0.5), ensemble.Quantile(safe, ensemble.Surely(&l.Machine))
		f.CrispAtMin, f.OverAtMin = ensemble.Quantile(ensemble.Sorted(e.Crisp), 0.5), ensemble.Quantile(ensemble.Sorted(e.Over), 0.5)
		b.lots = append(b.lots, &lotBelief{load: l, lot: l.Lots[k]})
		b.lots[k].advise(f, f.SafeByMin, nil)
	}
	if len(lots) == 1 {
		return lots[0], nil
	}
	return b.overAll(lots), nil
}
