package advise

import (
	"context"
	"math"
	"slices"

	"velocrustum/core/crust"
	"velocrustum/core/load"
	"velocrustum/core/run"
	"velocrustum/core/verdict"
)

// tacky is how much crust a glaze may leave missing at the end, of 100.
const tacky = 8.0

// brushLooksBack is how many minutes before the end a brush is tried.
const brushLooksBack = 15

// Brushes answers for each brush of a program, by running it at other minutes
// and at other heat. The error is the context's, or that of run.Start.
func Brushes(ctx context.Context, l *load.Load) (all []verdict.Brushed, err error) {
	for i, t := range l.Program.Turns {
		if t.Kind != load.BrushOn {
			continue
		}
		b, err := whenABrushStands(ctx, l, i)
		if err != nil {
			return nil, err
		}
		all = append(all, b)
	}
	return all, nil
}

// whenABrushStands answers for one turn of a load's program, which brushes.
func whenABrushStands(ctx context.Context, l *load.Load, turn int) (verdict.Brushed, error) {
	out := verdict.Brushed{Turn: turn}
	limit := float64(crust.BitterLimit)
	end, at := l.Minutes(), l.Program.Turns[turn].AtMin
	var brushed []int
	for k, lot := range l.Lots {
		if l.Program.Turns[turn].For(k) && lot.In <= at && at < lot.Out {
			brushed, end = append(brushed, k), min(end, l.End(lot))
		}
	}
	if len(brushed) == 0 {
		return out, nil // nothing of them is in then
	}
	without := l.Program
	without.Turns = slices.Delete(slices.Clone(without.Turns), turn, turn+1)
	dry, _, err := endsAt(ctx, l, brushed, without)
	if err != nil {
		return out, err
	}
	// From the end backwards: the first minute that dries is the latest, and
	// the best is two before it, unless it turns bitter.
	for m := math.Floor(end - 0.5); m >= math.Max(1, end-brushLooksBack); m-- {
		soft, brown, err := endsAt(ctx, l, brushed, l.Program.Turning(turn, m))
		if err != nil {
			return out, err
		}
		if out.LatestMin == nil && soft >= dry-tacky {
			out.LatestMin = new(m)
		}
		if brown > limit {
			break
		}
		if out.LatestMin != nil {
			out.BestMin = new(m)
			if *out.LatestMin-m >= 2 {
				break
			}
		}
	}
	for out.HottestC = l.Dial.MaxC; out.HottestC > l.Dial.MinC; out.HottestC -= l.Dial.StepC {
		_, brown, err := endsAt(ctx, l, brushed, l.Program.EndingAt(out.HottestC))
		if err != nil {
			return out, err
		}
		if brown <= limit {
			break
		}
	}
	out.Says = brushSays(out, at, l, brushed)
	return out, nil
}

// endsAt is the softest crust and the brownest face that what is brushed of a
// load ends at under a program.
func endsAt(ctx context.Context, l *load.Load, brushed []int, p load.Program) (softest, brownest float64, err error) {
	r, err := run.Start(l.UnderProgram(p), run.Nominal, run.Coarse)
	if err != nil {
		return 0, 0, err
	}
	r.Advance(l.Minutes(), nil)
	softest = math.Inf(1)
	for _, lot := range brushed {
		soft, _ := r.Lots[lot].Crusts()
		softest, brownest = min(softest, soft), max(brownest, r.Lots[lot].Worst().Brownest)
	}
	return softest, brownest, ctx.Err()
}
