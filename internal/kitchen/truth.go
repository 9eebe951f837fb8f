// Package kitchen stands in for a fryer and for a thermometer that is left in
// the food. Both have a hidden truth that the application is not told; the
// thermometer speaks to it only as a real one would, by posting readings.
package kitchen

import (
	"context"
	"math"
	"math/rand/v2"
	"time"

	"velocrustum/core/food"
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
	TipC    float64 // over the coldest spot
	NoiseC  float64
	Lag     time.Duration
}

// Hide draws a truth: fryers from three quarters to a third more of the air
// that is said, dials from 12 °C under to 8 over, pieces ±12 %.
func Hide(r *rand.Rand) Truth {
	return Truth{
		Airflow: 0.75 + 0.55*r.Float64(), DialC: -12 + 20*r.Float64(), Thick: 0.88 + 0.24*r.Float64(), FridgeC: -1 + 3*r.Float64(),
		TipC: 4 * r.Float64(), NoiseC: 0.3, Lag: time.Duration(5+10*r.Float64()) * time.Second,
	}
}

// Cook is what truly happens to a lot of a load under what was done to it.
func (t Truth) Cook(ctx context.Context, q load.Request, lot int) ([]run.Moment, error) {
	answer, err := verdict.Simulate(ctx, q, verdict.Options{NoChance: true})
	if err != nil {
		return nil, err
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
		start := food.OutOfFridgeC
		if of.StartC != nil {
			start = *of.StartC
		}
		start = math.Max(load.MinStartC, start+t.FridgeC)
		of.StartC = &start
	}
	f := load.Fryer{}
	if q.Fryer != nil {
		f = *q.Fryer
	}
	f = f.Whole()
	f.Airflow = new(within("fryer.airflow", *f.Airflow*t.Airflow))
	f.DialOffsetC = within("fryer.dialOffsetC", f.DialOffsetC+t.DialC)
	q.Fryer, q.TailMin = &f, math.Min(30, load.MaxMinutes-q.Program.Minutes())
	if answer, err = verdict.Simulate(ctx, q, verdict.Options{NoChance: true}); err != nil {
		return nil, err
	}
	if lot < len(answer.Lots) {
		return answer.Lots[lot].Timeline, nil
	}
	return answer.Timeline, nil
}

// within is a figure as near as its field's limits allow.
func within(field string, v float64) float64 {
	r := load.Limits[field]
	return math.Max(r.Min, math.Min(r.Max, v))
}

// Reads is what the thermometer shows at a minute since the food went in.
func (t Truth) Reads(r *rand.Rand, line []run.Moment, minute float64) float64 {
	at := math.Max(0, minute-t.Lag.Minutes())
	c := line[len(line)-1].CoreC
	for i := 1; i < len(line); i++ {
		if a, b := line[i-1], line[i]; at <= b.Minute {
			c = a.CoreC + (b.CoreC-a.CoreC)*(at-a.Minute)/(b.Minute-a.Minute)
			break
		}
	}
	return math.Round(10*(c+t.TipC+t.NoiseC*r.NormFloat64())) / 10
}
