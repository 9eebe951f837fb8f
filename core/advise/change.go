package advise

import (
	"context"
	"math"
	"slices"

	"velocrustum/core/load"
	"velocrustum/core/run"
	"velocrustum/core/verdict"
)

// Simulate answers for the first basket of a dish, with a change for each
// warning that one mends, and when each brush stands. What a change puts on in
// oil is for the whole dish. The error is refuse.Fields or the context's.
func Simulate(ctx context.Context, d load.Dish, opt verdict.Options) (verdict.Answer, error) {
	first := d.First()
	l, err := load.Of(first)
	if err != nil {
		return verdict.Answer{}, err
	}
	l = opt.Carry(l)
	a, err := verdict.SimulateLoad(ctx, l, opt)
	if err != nil {
		return a, err
	}
	if err = Changes(ctx, l, &a, !opt.NoChance); err != nil {
		return a, err
	}
	for _, w := range a.Warnings {
		if c := w.Change; c != nil && c.OilG != nil {
			*c.OilG = math.Ceil(*c.OilG * float64(d.Pieces()) / float64(first.Pieces()))
		}
	}
	a.Brushes, err = Brushes(ctx, l)
	return a, err
}

// SimulateChambers is Simulate of two drawers that run apart.
func SimulateChambers(ctx context.Context, of []load.Chamber, opt verdict.Options) (verdict.Answer, error) {
	return verdict.SimulateChambers(ctx, of, opt, func(ctx context.Context, l *load.Load, a *verdict.Answer) (err error) {
		if err = Changes(ctx, l, a, !opt.NoChance); err != nil {
			return err
		}
		a.Brushes, err = Brushes(ctx, l)
		return err
	})
}

// timely are the warnings that time and heat can mend.
var timely = []verdict.Code{verdict.UnderRule, verdict.RuleInDoubt, verdict.Soft, verdict.Overdone, verdict.Sugar, verdict.Smoke}

// Changes gives the warnings of an answer their changes. One program is sought
// for all that time and heat can mend, so that no two buttons pull apart. A
// change is on the fryer's own dial, clears what it is offered for, and leaves
// no load worse off that was ready; where there is none, the warning says so.
// Sampled, that is by 95 loads in 100. The error is the context's, or that of
// run.Start.
func Changes(ctx context.Context, l *load.Load, a *verdict.Answer, sampled bool) error {
	c := changing{load: l, answer: a, sampled: sampled}
	if a.Warns(timely...) {
		if err := c.seekProgram(ctx); err != nil {
			return err
		}
		if c.better == nil {
			if err := c.seekSafe(ctx); err != nil {
				return err
			}
		}
	}
	for i := range a.Warnings {
		w := &a.Warnings[i]
		if slices.Contains(timely, w.Code) {
			if c.better != nil && clears(*w, a, &c.after) {
				w.Change = &verdict.Change{Label: programLabel(l, c.better), Gives: gives(&c.after), Program: &c.better.Program}
			} else if why := noHelp[w.Code]; why != "" {
				w.Message += " " + why
			}
			continue
		}
		if err := c.seekOther(ctx, w); err != nil {
			return err
		}
	}
	return nil
}

// changing looks for what mends an answer.
type changing struct {
	load    *load.Load
	answer  *verdict.Answer
	sampled bool
	better  *load.Load // under the program that mends what time and heat can; nil for none
	after   verdict.Answer
}

// clears says whether the answer after a change is without a warning, and
// ready if the one before was.
func clears(w verdict.Warning, before, after *verdict.Answer) bool {
	gone := []verdict.Code{w.Code}
	switch w.Code {
	case verdict.RuleInDoubt:
		gone = append(gone, verdict.UnderRule)
	case verdict.Layered:
		gone = append(gone, verdict.Crowded)
	}
	still := slices.ContainsFunc(after.Warnings, func(o verdict.Warning) bool {
		return slices.Contains(gone, o.Code) && (!w.OfOne() || o.Lot == w.Lot)
	})
	return !still && (after.Verdict.Ready || !before.Verdict.Ready) && !graver(before, after)
}

// graver says whether an answer warns of being raw, in doubt or overdone, and the one before
// did not.
func graver(before, after *verdict.Answer) bool {
	return slices.ContainsFunc([]verdict.Code{verdict.UnderRule, verdict.RuleInDoubt, verdict.Overdone}, func(c verdict.Code) bool {
		return after.Warns(c) && !before.Warns(c)
	})
}

// seekProgram looks for the program nearest to this one that is best by the
// balanced weights: its last stage longer or shorter, then also hotter or
// cooler on the dial.
func (c *changing) seekProgram(ctx context.Context) error {
	best, err := c.nearestProgram(ctx)
	if best == nil || err != nil {
		return err
	}
	// Its length is settled by 95 loads in 100.
	for range 3 {
		if c.after, err = verdict.Of(ctx, best, c.sampled); err != nil {
			return err
		}
		to := rightLength(best, &c.after)
		if to == best.Minutes() || to > load.MaxMinutes {
			break
		}
		best = best.UnderProgram(best.Program.Lasting(to))
	}
	if !best.Program.Same(c.load.Program) {
		c.better = best
	}
	// What mends one thing by another that is graver is none.
	if c.better != nil && graver(c.answer, &c.after) {
		c.better = nil
	}
	return nil
}

// seekSafe takes the program on until it is surely safe, where no better one is found and
// that is all that it comes to.
func (c *changing) seekSafe(ctx context.Context) error {
	at := c.answer.Verdict.SafeAtMin
	if !c.answer.Warns(verdict.UnderRule, verdict.RuleInDoubt) || at == nil || !verdict.Past(*at, c.load.Minutes()) || *at > load.MaxMinutes {
		return nil
	}
	longer := c.load.UnderProgram(c.load.Program.Lasting(verdict.NotBefore(*at)))
	after, err := verdict.Of(ctx, longer, c.sampled)
	if err == nil && !graver(c.answer, &after) {
		c.better, c.after = longer, after
	}
	return err
}

// rightLength is how long a program is to be, minutes, by its own verdict.
func rightLength(l *load.Load, a *verdict.Answer) float64 {
	v := a.Verdict
	ready := v.ReadyAtMin
	if ready == nil {
		ready = v.SafeAtMin // never crisp, but it can be safe
	}
	switch {
	case ready != nil && verdict.Past(*ready, l.Minutes()):
		return verdict.NotBefore(*ready)
	case v.ToMin != nil && *v.ToMin < l.Minutes() && a.Warns(verdict.Overdone):
		return *v.ToMin
	}
	return l.Minutes()
}

// nearestProgram looks among last stages by the nominal load.
func (c *changing) nearestProgram(ctx context.Context) (*load.Load, error) {
	l, g := c.load, goalOf(Balanced)
	top := l.HottestC()
	last := len(l.Program.Stages) - 1
	base := l.Program
	base.Stages = slices.Clone(base.Stages)
	for i := range base.Stages {
		base.Stages[i].AirC = min(base.Stages[i].AirC, top)
	}
	here := base.Stages[last].AirC
	// All differ in the last stage alone: what comes before it is run once.
	before, err := run.Start(l.UnderProgram(base), run.Nominal, run.Coarse)
	if err != nil {
		return nil, err
	}
	before.Advance(base.Minutes()-base.Stages[last].Minutes-0.5, nil)
	var best *load.Load
	var got trial
	cost := math.Inf(1)
	consider := func(p load.Program) error {
		t, err := g.bestEnd(ctx, before.Clone().Under(l.UnderProgram(p)))
		if err != nil {
			return err
		}
		// What is nearer to the cook's own wins where little is gained.
		if now := t.score + 0.08*math.Abs(p.Last().AirC-here); now < cost-0.3 {
			best, got, cost = l.UnderProgram(p.Lasting(t.end)), t, now
		}
		return nil
	}
	if err := consider(base); err != nil {
		return nil, err
	}
	if best != nil && got.good {
		return best, nil
	}
	step := math.Max(5, l.Dial.StepC)
	for k := 1.0; k <= 6; k++ {
		for _, air := range [...]float64{l.Dial.Nearest(here - k*step), l.Dial.Nearest(here + k*step)} {
			if air == here || air > top {
				continue
			}
			if err := consider(base.EndingAt(air)); err != nil {
				return nil, err
			}
		}
	}
	return best, nil
}

// seekOther tries the change of a warning that is not of time and heat.
func (c *changing) seekOther(ctx context.Context, w *verdict.Warning) error {
	with, change := c.other(w)
	if change == nil {
		return nil
	}
	times := 0
	if change.Program != nil {
		times = 1 // a later turn may want a later end
	}
	longer, after, err := LongEnough(ctx, with, c.sampled, times)
	if err != nil {
		return err
	}
	if longer != with {
		change.Program = &longer.Program
		change.Label = turnLabel(*w.HoldsFromMin, longer.Minutes())
	}
	if clears(*w, c.answer, &after) {
		w.Change = change
	}
	return nil
}

// other is the change of a warning that is not of time and heat, and the load
// with it; nil if there is nothing to try.
func (c *changing) other(w *verdict.Warning) (*load.Load, *verdict.Change) {
	l, lot := c.load, c.load.Lots[w.Lot]
	switch w.Code {
	case verdict.Tears:
		if w.HoldsFromMin == nil {
			return nil, nil
		}
		p := l.Program.Turning(w.Turn, *w.HoldsFromMin)
		return l.UnderProgram(p), &verdict.Change{Label: turnLabel(*w.HoldsFromMin, 0), Program: &p}
	case verdict.Crowded, verdict.Layered:
		n := l.Comfortable(lot.Piece)
		if n >= lot.All || len(l.Lots) > 1 {
			return nil, nil
		}
		return l.Fewer(n), &verdict.Change{Label: fewerLabel(n, l.Drawers), PerBasket: n}
	case verdict.Lifts, verdict.DryCoat:
		whole := lot.Surface100(lot.All)
		g := math.Ceil(lot.Coating.NeedsOil * whole)
		return l.Oiled(*lot, g/whole), &verdict.Change{Label: oilLabel(l, g), OilG: &g, Lot: w.Lot}
	case verdict.WetPatch, verdict.WetSurface:
		wiped := l.Wiped(*lot)
		return wiped, &verdict.Change{Label: wipeLabel, Surface: string(wiped.Lots[w.Lot].Surface), Lot: w.Lot}
	case verdict.TooThick:
		least, _ := lot.Cut.Thicknesses(lot.MassG)
		mm := math.Max(least, math.Round(lot.ThicknessMm*0.7))
		thin := l.AsThick(*lot, mm)
		if mm >= lot.ThicknessMm || thin.Lots[w.Lot].Coverage > math.Max(lot.Coverage, load.CloseCoverage) {
			return nil, nil
		}
		return thin, &verdict.Change{Label: thinLabel(l, mm), ThicknessMm: &mm, Lot: w.Lot}
	}
	return nil, nil
}
