package baskets

import (
	"context"
	"fmt"
	"math"
	"slices"

	"velocrustum/core/advise"
	"velocrustum/core/crust"
	"velocrustum/core/ensemble"
	"velocrustum/core/load"
	"velocrustum/core/refuse"
	"velocrustum/core/run"
)

// Fried is one basket of a supper, as long as it needs, and what becomes of it
// while it waits.
type Fried struct {
	Program load.Program
	// SafeBy is the minute by which 95 in 100 loads are safe, HalfSafe that by
	// which half of them are.
	SafeBy, HalfSafe float64
	RestMin          float64 // that the rule asks for afterwards
	Over             bool    // some piece is overdone as it comes out
	Crust, CoreC     float64 // as it comes out: of the softest face, coldest spot
	// Kept is what is left after each whole minute of waiting, and Flashed
	// what a flash makes of that, from 0 on.
	Kept, Flashed []float64
	KeptC         []float64    // coldest spot, °C
	Colours       [][3]float64 // of the face that is browner at the end, L*a*b*, from in to out
	FlashC        float64      // of the dial for a flash
	Group         string       // of the cut
}

const (
	// longestKept is how long a wait is looked at, minutes; after it a crust
	// is taken for what it was then.
	longestKept = 60.0
	colours     = 12
	// safeWithin is how long past its end a basket is looked at to be safe, min.
	safeWithin = 25.0
)

// flashedAfter are the waits after which a flash is run, minutes; between them
// it is taken from its neighbours.
var flashedAfter = []float64{0, 6, 20, 60}

// Fry fits a basket and lets it wait in a place. A program that is safe by its
// end is kept as it is; what is not is lengthened. The error is refuse.Fields, or
// the context's.
func Fry(ctx context.Context, q load.Request, hold string, holdC float64) (Fried, error) {
	l, err := load.Of(q)
	if err != nil {
		return Fried{}, err
	}
	return fry(ctx, l, hold, holdC, false)
}

// FryHot is Fry of a basket that goes into a fryer which is hot from another one, where
// it is known how it does in a cold one: the cook's own minutes stand, unless they
// overdo it, and it is taken to be safe no sooner.
func FryHot(ctx context.Context, q load.Request, hold string, holdC float64, cold *Fried) (Fried, error) {
	l, err := load.Of(q)
	if err != nil {
		return Fried{}, err
	}
	if cold.SafeBy > l.Minutes() {
		return fry(ctx, l, hold, holdC, false)
	}
	f := Fried{Program: l.Program, SafeBy: cold.SafeBy, HalfSafe: cold.HalfSafe, Group: cold.Group, RestMin: cold.RestMin, FlashC: cold.FlashC}
	if err := f.wait(l, hold, holdC); err != nil || cold.Over || !f.Over {
		return f, err
	}
	return fry(ctx, l, hold, holdC, true)
}

// fry is Fry of a load; fitted, its last stage is as long as it needs.
func fry(ctx context.Context, l *load.Load, hold string, holdC float64, fitted bool) (Fried, error) {
	safe, err := safeIn(ctx, l)
	if err != nil {
		return Fried{}, err
	}
	if fitted || safe.by(ensemble.Surely(&l.Machine)) > l.Minutes() {
		if l, _, err = advise.Fitted(ctx, l); err != nil {
			return Fried{}, err
		}
		if safe, err = safeIn(ctx, l); err != nil {
			return Fried{}, err
		}
		if late := safe.by(ensemble.Surely(&l.Machine)); late > l.Minutes() && !math.IsInf(late, 1) {
			l = l.UnderProgram(l.Program.Lasting(math.Ceil(late)))
		}
	}
	if math.IsInf(safe.by(ensemble.Surely(&l.Machine)), 1) {
		return Fried{}, refuse.One("program.stages", fmt.Sprintf("%.0f minutes", l.Minutes()), "a program by which it is safe inside")
	}
	f := Fried{Program: l.Program, SafeBy: safe.by(ensemble.Surely(&l.Machine)), HalfSafe: safe.by(0.5), Group: l.Lots[0].Cut.Group, RestMin: longestRest(l), FlashC: flashAt(l)}
	return f, f.wait(l, hold, holdC)
}

// safeMinutes are when loads turn safe, in order; none where some never do.
type safeMinutes []float64

func safeIn(ctx context.Context, l *load.Load) (safeMinutes, error) {
	return ensemble.SafeTimes(ctx, l.CarriedOn(math.Min(safeWithin, load.MaxMinutes-l.Minutes())))
}

// by is the minute by which a share of loads is safe, +Inf for never.
func (m safeMinutes) by(share float64) float64 {
	if len(m) == 0 {
		return math.Inf(1)
	}
	if at := ensemble.Quantile(m, share); at != nil {
		return *at
	}
	return math.Inf(1)
}

// wait runs the basket, and on where it waits.
func (f *Fried) wait(l *load.Load, hold string, holdC float64) error {
	end := l.Minutes()
	kept := load.Stage{AirC: f.FlashC, Minutes: longestKept, Hold: hold}
	if holdC > 0 {
		kept.HoldC = &holdC
	}
	r, err := run.Start(l.UnderProgram(l.Program.Then(kept)), run.Nominal, run.Fine)
	if err != nil {
		return err
	}
	f.Colours = shades(r, l)
	var after, flashed []float64
	for m := 0.0; m <= longestKept; m++ {
		r.Advance(end+m, nil)
		if m == 0 {
			f.Over = slices.ContainsFunc(r.Lots, func(lot *run.Lot) bool { return !math.IsNaN(lot.Times().Over) })
		}
		f.Kept, f.KeptC = append(f.Kept, r.Softest()), append(f.KeptC, r.CoreC())
		if slices.Contains(flashedAfter, m) {
			p := l.Program.Then(load.Stage{AirC: f.FlashC, Minutes: math.Max(m, 0.01), Hold: hold, HoldC: kept.HoldC}, load.Stage{AirC: f.FlashC, Minutes: FlashMin})
			c := r.Clone().Under(l.UnderProgram(p))
			c.Advance(p.Minutes(), nil)
			after, flashed = append(after, m), append(flashed, c.Softest())
		}
	}
	f.Crust, f.CoreC = f.Kept[0], f.KeptC[0]
	for m := range f.Kept {
		f.Flashed = append(f.Flashed, between(after, flashed, float64(m)))
	}
	return nil
}

// longestRest is the longest that the rule of a lot asks for afterwards, minutes.
func longestRest(l *load.Load) (minutes float64) {
	for _, lot := range l.Lots {
		minutes = max(minutes, lot.Rule.RestMin)
	}
	return minutes
}

// shades runs a basket to its end, and returns the colours on the way of the
// face of its first lot that is browner there.
func shades(r *run.Run, l *load.Load) [][3]float64 {
	var faces [2][][3]float64
	every := l.Minutes() / colours
	for k := 0; k <= colours; k++ {
		r.Advance(float64(k)*every, nil)
		for face := range faces {
			faces[face] = append(faces[face], crust.Colour(l.Lots[0].Raw(), r.Lots[0].Brown(face)))
		}
	}
	if r.Lots[0].Brown(1) > r.Lots[0].Brown(0) {
		return faces[1]
	}
	return faces[0]
}

// between is y at x, on lines between the points.
func between(xs, ys []float64, x float64) float64 {
	for i := 1; i < len(xs); i++ {
		if x <= xs[i] {
			return ys[i-1] + (ys[i]-ys[i-1])*(x-xs[i-1])/(xs[i]-xs[i-1])
		}
	}
	return ys[len(ys)-1]
}

// After is the crust and the coldest spot after so many minutes of waiting,
// and after a flash if there is one.
func (f *Fried) After(minutes float64, flash bool) (crust, coreC float64) {
	k := int(math.Min(math.Ceil(math.Max(0, minutes)), float64(len(f.Kept)-1)))
	crust = f.Kept[k]
	if flash {
		crust = f.Flashed[k]
	}
	return crust, f.KeptC[k]
}
