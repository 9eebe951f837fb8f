// Package kitchen stands in for a fryer and for a thermometer that is left in
// the food. Both have a hidden truth that the application is not told; the
// thermometer speaks to it only as a real one would, by posting readings.
package kitchen

import (
	"context"
	"math"
	"math/rand/v2"
	"time"

	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/run"
	"velocrustum/core/verdict"
)

// Truth is what is so of one kitchen and nobody knows: how its fryer differs
// from what is said of it, the pieces from what was weighed, and where the
// tip of the thermometer sits.
type Truth struct {
	Airflow float64 // share of what is said
	DialC   float64 // more than is said
	Thick   float64 // share
	FridgeC float64 // more than is said
	Tip     Tip
}

// A Tip is a thermometer as it errs, by itself and by where it sits. What learns from
// it is not told any of this, and takes errors to be of another kind: a bias that
// stays and slips that are warm.
type Tip struct {
	// Off is how far it sits from the coldest spot, share of the way to the surface: it
	// reads warmer by the square of that, as the piece is hotter outside, and so by
	// much at first and by little at the end.
	Off float64
	// OffsetC is what it shows too much in anything, NoiseC how a reading jumps.
	OffsetC, NoiseC float64
	// InFood and InAir are how fast it follows: two thirds of the way in each.
	InFood, InAir time.Duration
}

// Hide draws a truth: fryers from three quarters to a third more of the air
// that is said, dials from 12 °C under to 8 over, pieces ±12 %.
func Hide(r *rand.Rand) Truth {
	return Truth{
		Airflow: 0.75 + 0.55*r.Float64(), DialC: -12 + 20*r.Float64(), Thick: 0.88 + 0.24*r.Float64(), FridgeC: -1 + 3*r.Float64(),
		Tip: Tip{OffsetC: -1 + 2*r.Float64(), NoiseC: 0.25, InFood: time.Duration(6+10*r.Float64()) * time.Second, InAir: time.Duration(40+50*r.Float64()) * time.Second},
	}.Placed(r)
}

// Placed is the same with the thermometer put in anew.
func (t Truth) Placed(r *rand.Rand) Truth {
	t.Tip.Off = 0.35 * r.Float64()
	return t
}

// Cook is what truly happens to a lot of a load under what was done to it.
func (t Truth) Cook(ctx context.Context, q load.Request, lot int) ([]run.Moment, error) {
	answer, err := verdict.Simulate(ctx, q, verdict.Options{NoChance: true})
	if err != nil {
		return nil, err
	}
	f := load.Fryer{}
	if q.Fryer != nil {
		f = *q.Fryer
	}
	q = q.InLots()
	for k := range q.Lots {
		of, piece := &q.Lots[k].Load, answer.Piece
		if len(answer.Lots) > 0 {
			piece = answer.Lots[k].Piece
		}
		of.PieceMassG *= t.Thick * t.Thick * t.Thick
		thick := piece.ThicknessMm * t.Thick
		of.ThicknessMm = &thick
		start := load.OutOfFridge(f.FridgeC)
		if of.StartC != nil {
			start = *of.StartC
		}
		start = math.Max(load.MinStartC, start+t.FridgeC)
		of.StartC = &start
	}
	f = t.of(f)
	q.Fryer, q.TailMin = &f, math.Min(30, load.MaxMinutes-q.Program.Minutes())
	if answer, err = verdict.Simulate(ctx, q, verdict.Options{NoChance: true}); err != nil {
		return nil, err
	}
	if lot < len(answer.Lots) {
		return answer.Lots[lot].Timeline, nil
	}
	return answer.Timeline, nil
}

// of is a fryer as it truly is.
func (t Truth) of(f load.Fryer) load.Fryer {
	f = f.Whole()
	f.Airflow = new(within("fryer.airflow", *f.Airflow*t.Airflow))
	f.DialOffsetC = within("fryer.dialOffsetC", f.DialOffsetC+t.DialC)
	f.Learnt, f.LearntIn = nil, nil
	return f
}

// Air is what truly is in a fryer, °C, so many minutes after it was turned on empty; in
// one of its drawers, where there are two and one is named.
func (t Truth) Air(f load.Fryer, drawer string, dialC, minute float64) (float64, error) {
	f = t.of(f)
	if drawer != "" {
		f = *f.In(drawer)
	}
	m, err := load.MachineOf(f)
	if err != nil {
		return 0, err
	}
	line, err := fryer.Curve(m.InDrawer(), dialC, math.Max(0, minute)+2*fryer.CurveStep)
	if err != nil {
		return 0, err
	}
	at := math.Max(0, minute) / fryer.CurveStep
	i := min(int(at), len(line)-2)
	return line[i] + (at-float64(i))*(line[i+1]-line[i]), nil
}

// within is a figure as near as its field's limits allow.
func within(field string, v float64) float64 {
	r := load.Limits[field]
	return math.Max(r.Min, math.Min(r.Max, v))
}

// At is what the tip is at, °C, at a minute since the food went in.
func (t Truth) At(line []run.Moment, minute float64) float64 {
	m := line[len(line)-1]
	core, skin := m.CoreC, (m.UpperC+m.LowerC)/2
	for i := 1; i < len(line); i++ {
		if a, b := line[i-1], line[i]; minute <= b.Minute {
			share := math.Max(0, (minute-a.Minute)/(b.Minute-a.Minute))
			core = a.CoreC + (b.CoreC-a.CoreC)*share
			was, is := (a.UpperC+a.LowerC)/2, (b.UpperC+b.LowerC)/2
			skin = was + (is-was)*share
			break
		}
	}
	return core + (skin-core)*t.Tip.Off*t.Tip.Off
}

// Follows is what it shows a while after it showed something, where that is at c °C.
func (p Tip) Follows(shown, c float64, inFood bool, after time.Duration) float64 {
	slow := p.InAir
	if inFood {
		slow = p.InFood
	}
	return c + (shown-c)*math.Exp(-after.Seconds()/slow.Seconds())
}

// Says is that as it is sent.
func (p Tip) Says(r *rand.Rand, shown float64) float64 {
	return math.Round(10*(shown+p.OffsetC+p.NoiseC*r.NormFloat64())) / 10
}
