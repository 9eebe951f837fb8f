package prep

import (
	"context"
	"math"
	"slices"

	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/units"
	"velocrustum/core/verdict"
)

// A WeighedStation is a station with what it does to the cook, and the load and coat
// without it.
type WeighedStation struct {
	Station
	Does string
	Load load.Pieces
	Coat load.Covering
}

// A LotForecast is the bench of a lot worked out, with what each step does.
type LotForecast struct {
	*Worked
	// Load and Coat are what the basket gets.
	Load    load.Pieces
	Coat    load.Covering
	Makings []Making // of the cut as it came
	Weighed []WeighedStation
}

// A Forecast is the benches of a dish worked out and told to a simulation.
type Forecast struct {
	WorkedDish
	Each   []LotForecast  // by lot
	Answer verdict.Answer // of the first basket
	// EnergyWh is that of all baskets, and OvenWh and PanWh that of others.
	EnergyWh, OvenWh, PanWh float64
	// Plate is a serving, and DeepFried the same from oil.
	Plate, DeepFried Plate
}

const (
	defaultServings = 2
	// lookOn is how far past its end a program is looked at, minutes, so that
	// a step that delays still has a time to name.
	lookOn = 20.0
)

// Forecast works the bench of a dish out and simulates its first basket, with
// every step and without each. The error is refuse.Fields, those of the bench
// under its name, or the context's.
func (p Pantry) Forecast(ctx context.Context, d BenchDish, h units.Household) (Forecast, error) {
	var f Forecast
	bought := d.InLots()
	ready, w, err := p.Ready(d)
	if err != nil {
		return f, err
	}
	f.WorkedDish = *w
	q := ready.First()
	minutes := q.Program.Minutes()
	q.TailMin = math.Max(q.TailMin, math.Min(lookOn, load.MaxMinutes-minutes))
	if f.Answer, err = verdict.Simulate(ctx, q, verdict.Options{NoChance: true}); err != nil {
		return f, err
	}
	for k := range ready.Lots {
		one := LotForecast{Worked: w.Lots[k], Load: ready.Lots[k].Load, Coat: load.Covering{ID: food.Bare}, Makings: Makings(bought.Lots[k].Load.Cut)}
		if c := ready.Lots[k].Coat; c != nil {
			one.Coat = *c
		}
		if err := one.weigh(ctx, p, h, weighing{bought.Lots[k], ready, q, k, f.lot(k)}); err != nil {
			return f, err
		}
		f.Each = append(f.Each, one)
	}
	var kept []Losses
	for k := range ready.Lots {
		end := f.lot(k).End
		of := Losses{MassLossPct: end.MassLossPct}
		if fat := end.FatRenderedPct; fat != nil {
			of.FatRenderedPct = *fat
		}
		kept = append(kept, of)
	}
	end := f.Answer.End
	f.EnergyWh = end.EnergyWh * float64(ready.Pieces()) / float64(q.Pieces())
	f.OvenWh, f.PanWh = OvenWh(minutes), PanWh(w.MassG(), end.MassLossPct)
	f.Plate, f.DeepFried = w.Serve(kept)
	return f, nil
}

// lot is the answer for a lot.
func (f *Forecast) lot(k int) *verdict.Answer {
	if len(f.Answer.Lots) == 0 {
		return &f.Answer
	}
	return &f.Answer.Lots[k].Answer
}

// weighing is what the steps of a lot are weighed by: how it was bought, the
// dish as it goes in, its first basket, which lot it is and its answer.
type weighing struct {
	bought load.LotRequest
	ready  load.Dish
	first  load.Request
	lot    int
	with   *verdict.Answer
}

// weigh says what each step of a lot does, by the cook without it.
func (f *LotForecast) weigh(ctx context.Context, p Pantry, h units.Household, of weighing) error {
	sugar := 0.0
	if c := of.bought.Coat; c != nil {
		sugar = c.SugarPct
	}
	for _, st := range f.Words(p, h) {
		step := WeighedStation{Station: st, Load: f.Load, Coat: f.Coat, Does: notFelt}
		var err error
		switch {
		case st.Headline == nothingYet:
			step.Does = ""
		case st.ID == "cut":
			step.Does, err = spread(ctx, of.first, of.lot)
		case st.ID == "finish":
		default:
			f.skip(&step, sugar)
			without := of.ready
			without.Lots = slices.Clone(of.ready.Lots)
			without.Lots[of.lot].Load, without.Lots[of.lot].Coat = step.Load, &step.Coat
			var skipped verdict.Answer
			one := without.First()
			one.TailMin = of.first.TailMin
			skipped, err = verdict.Simulate(ctx, one, verdict.Options{NoChance: true})
			if err == nil {
				if len(skipped.Lots) > 0 {
					skipped = skipped.Lots[of.lot].Answer
				}
				step.Does = beside(*of.with, skipped).says()
			}
		}
		if err != nil {
			return err
		}
		f.Weighed = append(f.Weighed, step)
	}
	return nil
}

// skip takes out of a step's load and coat what the step puts in. A rack is
// skipped for paper, paper for nothing.
func (f *LotForecast) skip(s *WeighedStation, sugarBefore float64) {
	switch s.ID {
	case "dry":
		wet := Drying{School: "wet"}.SurfaceWater()
		if f.Bench.Drying.School == "rack" {
			wet = Drying{}.SurfaceWater()
		}
		s.Load.SurfaceWaterG = &wet
	case "salt", "marinade":
		s.Coat.SaltPct = math.Max(0, f.Coat.SaltPct-100*f.SaltFrom[s.ID]/f.Lot.EdibleG())
		if s.ID == "marinade" {
			s.Coat.SugarPct = sugarBefore
		}
	case "coat":
		s.Coat.ID, s.Coat.OilG = "bare", 0
	}
}

// spread says what uneven pieces of a lot cost in the window.
func spread(ctx context.Context, q load.Request, lot int) (string, error) {
	uneven, err := verdict.Simulate(ctx, q, verdict.Options{})
	if err != nil {
		return "", err
	}
	q = q.InLots()
	q.Lots[lot].Load.SpreadPct = nil
	even, err := verdict.Simulate(ctx, q, verdict.Options{})
	if err != nil {
		return "", err
	}
	return spreadSays(*uneven.Chance, *even.Chance), nil
}

// effect is what a step does, with and without it: by how many minutes it comes
// otherwise, or that it comes with one of them alone.
type effect struct {
	crisp, safe change
	juicePct    float64
	crust       float64
	brown       float64
}

// change is when something comes with a step and without it, nil for never.
type change struct{ with, without *float64 }

// beside is what a step does, from two answers of the engine.
func beside(with, without verdict.Answer) effect {
	brown := func(a verdict.Answer) float64 {
		f := a.Timeline[len(a.Timeline)-1].Faces
		return math.Max(f[0].Brown, f[1].Brown)
	}
	return effect{change{with.CrispAtMin, without.CrispAtMin}, change{with.SafeAtMin, without.SafeAtMin},
		with.End.JuiceKeptPct - without.End.JuiceKeptPct, with.End.Crust - without.End.Crust, brown(with) - brown(without)}
}
