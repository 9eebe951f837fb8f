package prep

import (
	"context"
	"fmt"
	"math"
	"strings"

	"velocrustum/core/food"
	"velocrustum/core/program"
	"velocrustum/core/refuse"
	"velocrustum/core/units"
)

// A Step is a station with what it does to the cook, and the load and coat
// without it.
type Step struct {
	Station
	Does string
	Load program.Load
	Coat program.Coat
}

// A Forecast is a bench worked out and told to a simulation.
type Forecast struct {
	Worked
	// Cut, Load and Coat are those that the plan has from now on.
	Cut     food.Cut
	Load    program.Load
	Coat    program.Coat
	Makings []Making // of the cut as it came
	Steps   []Step
	Answer  program.Answer
	Minutes float64 // of the program
	// Plate is a serving, and DeepFried the same from oil.
	Plate, DeepFried Plate
}

const (
	defaultServings = 2
	// lookOn is how far past its end a program is looked at, minutes, so that
	// a step that delays still has a time to name.
	lookOn = 20.0
)

// take makes the pieces and the coat what the bench says they become.
func (b Bench) take(q *program.Request) error {
	if c := b.Cutting; c != nil {
		l := &q.Load
		l.Pieces, l.PieceMassG = c.Portion(l.Pieces, l.PieceMassG)
		if err := program.Check(*q); err != nil {
			return err
		}
		if c.As != "" {
			n, g, err := Make(l.Cut, c.As, l.Pieces, l.PieceMassG)
			if err != nil {
				return refuse.Under("bench.", err)
			}
			l.Cut, l.Pieces, l.PieceMassG, l.ThicknessMm = c.As, min(program.MaxPieces, n), math.Round(g*10)/10, nil
		}
	}
	coat := program.Coat{ID: "bare"}
	if q.Coat != nil {
		coat = *q.Coat
	}
	if id := b.Coating.Coat; id != "" {
		if _, err := food.FindCoat(id); err != nil {
			return refuse.One("bench.coating.coat", fmt.Sprintf("%q", id), strings.Join(food.CoatIDs(), ", "))
		}
		coat.ID = id
	}
	q.Coat = &coat
	return program.Check(*q)
}

// Forecast works a bench out for a request and simulates it, with every step
// and without each. The error is refuse.Fields, those of the bench under its name,
// or the context's.
func (p Pantry) Forecast(ctx context.Context, q program.Request, b Bench, spoons units.Spoons) (Forecast, error) {
	f := Forecast{Makings: Makings(q.Load.Cut)}
	for _, s := range q.Program.Stages {
		f.Minutes += s.Minutes
	}
	if err := program.Check(q); err != nil {
		return f, err
	}
	if err := refuse.Under("bench.", b.Check(p)); err != nil {
		return f, err
	}
	if err := b.take(&q); err != nil {
		return f, err
	}
	var err error
	if f.Cut, err = food.FindCut(q.Load.Cut); err != nil {
		return f, err
	}
	f.Load, f.Coat = q.Load, *q.Coat
	thick := 0.0
	if f.Load.ThicknessMm != nil {
		thick = *f.Load.ThicknessMm
	}
	b.Coating.PlannedOilG = f.Coat.OilG
	if f.Worked, err = p.Work(f.Cut, f.Load.PieceMassG, thick, f.Load.Pieces, f.Coat.ID, b, spoons); err != nil {
		return f, err
	}
	sugar := f.Coat.SugarPct
	f.Effects.Into(&f.Load, &f.Coat, b.Coating.Oil != "")
	q.Load, q.Coat = f.Load, &f.Coat
	q.TailMin = math.Max(q.TailMin, math.Min(lookOn, program.MaxMinutes-f.Minutes))
	if f.Answer, err = program.Simulate(ctx, q, program.Options{NoChance: true}); err != nil {
		return f, err
	}
	for _, st := range f.Stations {
		step := Step{Station: st, Load: f.Load, Coat: f.Coat, Does: "Nothing that the basket feels."}
		switch st.ID {
		case "cut":
			step.Does, err = spread(ctx, q)
		case "finish":
		default:
			f.skip(&step, b, sugar)
			without := q
			without.Load, without.Coat = step.Load, &step.Coat
			var skipped program.Answer
			skipped, err = program.Simulate(ctx, without, program.Options{NoChance: true})
			if err == nil {
				step.Does = beside(f.Answer, skipped)
			}
		}
		if err != nil {
			return f, err
		}
		f.Steps = append(f.Steps, step)
	}
	kept := Kept{MassLossPct: f.Answer.End.MassLossPct}
	if fat := f.Answer.End.FatRenderedPct; fat != nil {
		kept.FatRenderedPct = *fat
	}
	servings := b.Servings
	if servings == 0 {
		servings = defaultServings
	}
	coat, err := food.FindCoat(f.Coat.ID)
	if err != nil {
		return f, err
	}
	f.Plate, f.DeepFried = f.Serve(f.Cut, f.Load.PieceMassG, thick, f.Load.Pieces, coat, servings, kept)
	return f, nil
}

// skip takes out of a step's load and coat what the step puts in. A rack is
// skipped for paper, paper for nothing.
func (f *Forecast) skip(s *Step, b Bench, sugarBefore float64) {
	switch s.ID {
	case "dry":
		wet := Drying{School: "wet"}.SurfaceWater()
		if b.Drying.School == "rack" {
			wet = Drying{}.SurfaceWater()
		}
		s.Load.SurfaceWaterG = &wet
	case "salt", "marinade":
		s.Coat.SaltPct = math.Max(0, f.Coat.SaltPct-100*f.SaltFrom[s.ID]/f.edible)
		if s.ID == "marinade" {
			s.Coat.SugarPct = sugarBefore
		}
	case "coat":
		s.Coat.ID, s.Coat.OilG = "bare", 0
	}
}

// spread says what uneven pieces cost in the window.
func spread(ctx context.Context, q program.Request) (string, error) {
	uneven, err := program.Simulate(ctx, q, program.Options{})
	if err != nil {
		return "", err
	}
	q.Load.SpreadPct = nil
	even, err := program.Simulate(ctx, q, program.Options{})
	if err != nil {
		return "", err
	}
	says := ""
	for _, f := range []struct {
		what string
		a, b *float64
	}{{"All are safe by", uneven.Chance.SafeByMin, even.Chance.SafeByMin}, {"the first is past its best at", uneven.Chance.BestUntilMin, even.Chance.BestUntilMin}} {
		if f.a == nil || f.b == nil || math.Abs(*f.a-*f.b) < 0.3 {
			continue
		}
		if says != "" {
			says += "; "
		}
		says += fmt.Sprintf("%s %.0f min, with a careful hand %.0f", f.what, math.Ceil(*f.a), math.Ceil(*f.b))
	}
	if says == "" {
		return "The window is as with a careful hand.", nil
	}
	return says + ".", nil
}

// signed writes a whole difference with its sign.
func signed(d float64) string { return strings.Replace(fmt.Sprintf("%+.0f", d), "-", "−", 1) }

// beside says what a step does, from two answers of the engine.
func beside(with, without program.Answer) string {
	text := ""
	add := func(s string) {
		if text != "" {
			text += "; "
		}
		text += s
	}
	when := func(name string, a, b *float64) {
		switch {
		case a != nil && b != nil && math.Abs(*a-*b) >= 0.5:
			word := "sooner"
			if *a > *b {
				word = "later"
			}
			// Halves up to three minutes: the forecast knows no better.
			d := math.Abs(*a - *b)
			if d = math.Round(2*d) / 2; d >= 3 {
				d = math.Round(d)
			}
			add(fmt.Sprintf("%s %g min %s", name, d, word))
		case a != nil && b == nil:
			add(fmt.Sprintf("%s at %.0f min, and without it not at all", name, *a))
		case a == nil && b != nil:
			add(fmt.Sprintf("no longer %s, which without it comes at %.0f min", name, *b))
		}
	}
	when("crisp", with.CrispAtMin, without.CrispAtMin)
	when("safe", with.SafeAtMin, without.SafeAtMin)
	if d := with.End.JuiceKeptPct - without.End.JuiceKeptPct; math.Abs(d) >= 1 {
		add(signed(d) + "\u00a0% juice")
	}
	if d := with.End.Crust - without.End.Crust; math.Abs(d) >= 2 {
		add("crust " + signed(d) + " of 100")
	}
	brown := func(a program.Answer) float64 {
		f := a.Timeline[len(a.Timeline)-1].Faces
		return math.Max(f[0].Brown, f[1].Brown)
	}
	if d := brown(with) - brown(without); math.Abs(d) >= 0.15 {
		word := "browner"
		if d < 0 {
			word = "paler"
		}
		add(word)
	}
	if text == "" {
		return "Hardly felt in the basket."
	}
	return "With it: " + text + "."
}
