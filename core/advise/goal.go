package advise

import (
	"context"
	"math"

	"velocrustum/core/crust"
	"velocrustum/core/ensemble"
	"velocrustum/core/load"
	"velocrustum/core/run"
)

// A Want is what the cook would have more of.
type Want string

// Wants.
const (
	Balanced Want = "balanced"
	Crisper  Want = "crisper"
	Juicier  Want = "juicier"
	Sooner   Want = "sooner"
	Paler    Want = "paler"
)

// Wants lists them.
var Wants = []Want{Balanced, Crisper, Juicier, Sooner, Paler}

// weights turn an outcome into one figure, in percents of juice.
type weights struct {
	juice, minute, turn float64
	short               float64     // each point of crust that is missing
	above               float64     // added to the crust asked for, which is never under 40
	brown               crust.Stage // on the darker face, at most
	pale                crust.Stage // on the paler face, at least
}

// nearGold is what most cooks call golden.
const nearGold crust.Stage = 0.9

// Weights of the wants: what a cook gives up for what, by judgement. Most
// juice first, then the shortest; a point of missing crust costs more than a
// percent of juice, and a minute a sixth of one.
var wantWeights = map[Want]weights{
	Balanced: {juice: 1, minute: 0.15, turn: 0.3, short: 1.2, brown: 2.6, pale: nearGold},
	Crisper:  {juice: 0.4, minute: 0.1, turn: 0.2, short: 1.5, above: 15, brown: 2.9, pale: crust.Gold},
	Juicier:  {juice: 1.5, minute: 0.1, turn: 0.3, short: 2, above: -10, brown: 2.4, pale: crust.Straw},
	Sooner:   {juice: 0.5, minute: 1.2, turn: 0.4, short: 1.5, brown: 2.8, pale: crust.Straw},
	Paler:    {juice: 1, minute: 0.15, turn: 0.3, short: 1.2, brown: 1.2, pale: crust.Straw},
}

const (
	// bitterness is the cost of a browning stage past what is wanted: soon
	// more than all the juice.
	bitterness = 60.0
	dryness    = 4.0 // of a percent of juice under what the cut should keep
	parched    = 15.0
	pallor     = 8.0 // of a stage short of what is wanted on the paler face
	unsafe     = 1000.0
	longest    = 75.0
	// margin is how much crispness more than asked the nominal load needs
	// for half the loads, with their thickest pieces, to have it.
	margin = 4.0
	// worthless is the crispness below which none is worth any juice: lean
	// bare meat gets no crust, and is not dried for a trace of one.
	worthless = 30.0
	// lateSafe is how much later than its nominal piece a load of many is safe
	// in 95 of 100: the search's first guess, checked by sampling after it.
	lateSafe = 1.2
)

// A goal is what a search looks for.
type goal struct {
	weights
	// coreC asks for the minute at which the coldest flesh comes to it, °C,
	// and no other, or, where more only dries it, that minute or a later one;
	// NaN leaves the minute free.
	coreC float64
	atOne bool
}

func goalOf(w Want) goal { return goal{weights: wantWeights[w], coreC: math.NaN()} }

// A trial is one program's best minute and what it costs.
type trial struct {
	end, score   float64
	run.Worst            // of any lot
	crustMissing float64 // of what is gone for, of the lot that has least of it
	good         bool    // each lot as crisp as wanted, not too brown, not too dry
	done         bool    // longer only dries or darkens each of them
}

// weigh turns what comes of a lot into one figure, in percents of juice.
func (g goal) weigh(lot *load.Lot, w run.Worst, end float64, turns int) float64 {
	limit, _ := lot.TooBrown()
	return g.juice*(100-w.JuicePct) + g.minute*end + g.turn*float64(turns) +
		g.short*max(0, g.crustFor(lot)-max(worthless, w.Crust)) +
		bitterness*max(0, w.Brownest-float64(min(g.brownFor(lot), limit-0.3))) +
		dryness*max(0, lot.Cut.Juice-w.JuicePct) + pallor*max(0, float64(g.pale)+lot.BrowningMore-w.Palest)
}

// trialOf is what comes of a load that ends at a minute: each lot weighs by its
// pieces.
func (g goal) trialOf(l *load.Load, lots []run.Worst, end float64) trial {
	t := trial{end: end, Worst: lots[0], crustMissing: math.Inf(-1), good: true, done: true}
	all := float64(l.Pieces())
	for k, w := range lots {
		lot := l.Lots[k]
		limit, _ := lot.TooBrown()
		t.Worst = t.Worst.With(w)
		t.score += g.weigh(lot, w, end, len(l.Program.Turns)) * float64(lot.All) / all
		t.crustMissing = max(t.crustMissing, g.crustFor(lot)-w.Crust)
		t.good = t.good && w.Crust >= lot.CrustWanted && w.Brownest <= float64(min(g.brownFor(lot), limit)) && w.JuicePct >= lot.Cut.Juice
		t.done = t.done && (w.Crust >= g.crustFor(lot) || w.Brownest > float64(limit) || w.JuicePct < lot.Cut.Juice-parched)
	}
	return t
}

// brownFor is how brown a lot may be, as it is liked here.
func (g goal) brownFor(lot *load.Lot) crust.Stage { return g.brown + crust.Stage(lot.BrowningMore) }

// crustFor is the crispness that a search goes for.
func (g goal) crustFor(lot *load.Lot) float64 {
	return min(95, max(40, lot.CrustWanted+g.above)) + margin
}

// crustForAll is that of the lot of which least is wanted.
func (g goal) crustForAll(l *load.Load) float64 {
	least := 100.0
	for _, lot := range l.Lots {
		least = min(least, g.crustFor(lot))
	}
	return least
}

// try runs a load and finds the best minute to end its program.
func (g goal) try(ctx context.Context, l *load.Load, fineness run.Fineness) (trial, error) {
	run.GiveWay(ctx)
	r, err := run.Start(l, run.Nominal, fineness)
	if err != nil {
		return trial{}, err
	}
	return g.bestEnd(ctx, r)
}

// bestEnd runs on as long as it takes to find the best minute to end.
func (g goal) bestEnd(ctx context.Context, r *run.Run) (trial, error) {
	p := r.Load().Program
	before := 0.0 // the program but its last stage: it cannot end there
	for _, st := range p.Stages[:len(p.Stages)-1] {
		before += st.Minutes
	}
	best := trial{score: math.Inf(1), end: longest}
	started := false
	r.Advance(math.Max(longest, p.Minutes()), func(minute float64) bool {
		if ctx.Err() != nil {
			return false
		}
		if minute != math.Trunc(minute) || minute < before+1 {
			return true
		}
		safe := allSafe(r, minute)
		if !math.IsNaN(g.coreC) {
			if r.CoreC() < g.coreC && minute < longest {
				return true
			}
			if g.atOne && safe {
				best = g.read(r, minute)
				return false
			}
		}
		if !safe {
			return minute < longest
		}
		now := g.read(r, minute)
		if now.score < best.score {
			best, started = now, true
		}
		// Juice goes before the crust comes: only once it is there, or never
		// will be, does a minute that is worse mean that all later ones are.
		return minute < longest && !(started && now.done && minute >= best.end+3)
	})
	return best, ctx.Err()
}

// allSafe says whether nobody in the basket is likely to be raw at a minute.
func allSafe(r *run.Run, minute float64) bool {
	for _, lot := range r.Lots {
		if lot.Gone() {
			continue
		}
		if at := lot.SafeAt(); math.IsNaN(at) || lateSafe*at > minute {
			return false
		}
	}
	return true
}

// read weighs the load as it is at a minute.
func (g goal) read(r *run.Run, minute float64) trial {
	lots := make([]run.Worst, len(r.Lots))
	for k, lot := range r.Lots {
		lots[k] = lot.Worst()
	}
	return g.trialOf(r.Load(), lots, minute)
}

// Fitted is a load with its last stage as long as it needs, safe in 95 loads of
// 100, and how many minutes that is worth: those it takes, and more for a crust
// that it does not reach. The error is the context's, or that of run.Start.
func Fitted(ctx context.Context, l *load.Load) (*load.Load, float64, error) {
	missing := 0.0
	g := goalOf(Balanced)
	for range 2 {
		t, err := g.try(ctx, l, run.Fine)
		if err != nil {
			return nil, 0, err
		}
		l = l.UnderProgram(l.Program.Lasting(t.end))
		missing = max(0, t.crustMissing)
	}
	sure, err := ensemble.SafeBy(ctx, l.CarriedOn(15))
	if err != nil {
		return nil, 0, err
	}
	if sure != nil && *sure > l.Minutes() {
		l = l.UnderProgram(l.Program.Lasting(math.Ceil(*sure)))
	}
	return l, l.Minutes() + missing/2, nil
}
