package api

import (
	"context"
	"errors"
	"fmt"
	"math"
	"slices"
	"strings"

	"velocrustum/core/food"
	"velocrustum/core/prep"
	"velocrustum/core/program"
	"velocrustum/core/units"
)

// prepError turns a refusal of the bench into field errors, named under what
// holds the field.
func prepError(under string, err error) error {
	var p prep.Problem
	if errors.As(err, &p) {
		return program.FieldErrors{{Field: under + p.Field, Value: p.Value, Allowed: p.Allowed}}
	}
	return err
}

// WorkBench answers POST /bench.
func (s *Server) WorkBench(ctx context.Context, r WorkBenchRequestObject) (WorkBenchResponseObject, error) {
	q, bench := r.Body.Request, r.Body.Bench
	if err := program.Check(q); err != nil {
		return nil, err
	}
	cut, err := food.FindCut(q.Load.Cut)
	if err != nil {
		return nil, err
	}
	pantry, spoons, err := s.pantry(ctx)
	if err != nil {
		return nil, err
	}
	coat := program.Coat{ID: "bare"}
	if q.Coat != nil {
		coat = *q.Coat
	}
	if err := bench.Check(pantry); err != nil {
		return nil, prepError("bench.", err)
	}
	makings := prep.Makings(q.Load.Cut)
	if q.Load.Pieces, q.Load.PieceMassG = bench.Cutting.Portion(q.Load.Pieces, q.Load.PieceMassG); bench.Cutting != nil {
		if err := program.Check(q); err != nil {
			return nil, err
		}
	}
	if c := bench.Cutting; c != nil && c.As != "" {
		n, g, err := prep.Make(q.Load.Cut, c.As, q.Load.Pieces, q.Load.PieceMassG)
		if err != nil {
			return nil, prepError("bench.", err)
		}
		// Made once, they are what the plan has from now on.
		q.Load.Cut, q.Load.Pieces, q.Load.PieceMassG, q.Load.ThicknessMm = c.As, min(program.MaxPieces, n), math.Round(g*10)/10, nil
		if cut, err = food.FindCut(c.As); err != nil {
			return nil, err
		}
		if err := program.Check(q); err != nil {
			return nil, err
		}
	}
	thick := orElse(q.Load.ThicknessMm, 0)
	if bench.Coating.Coat != "" {
		if _, err := food.FindCoat(bench.Coating.Coat); err != nil {
			return nil, program.FieldErrors{{Field: "bench.coating.coat", Value: fmt.Sprintf("%q", bench.Coating.Coat), Allowed: strings.Join(food.CoatIDs(), ", ")}}
		}
		coat.ID = bench.Coating.Coat
	}
	bench.Coating.PlannedOilG = coat.OilG
	w, err := pantry.Work(cut, q.Load.PieceMassG, thick, q.Load.Pieces, coat.ID, bench, spoons)
	if err != nil {
		return nil, prepError("bench.", err)
	}
	load, sugar := q.Load, coat.SugarPct
	w.Effects.Into(&load, &coat, bench.Coating.Oil != "")
	q.Load, q.Coat = load, &coat
	q.TailMin = math.Max(q.TailMin, math.Min(20, program.MaxMinutes-total(q.Program)))
	with, err := program.Simulate(ctx, q, program.Options{NoChance: true})
	if err != nil {
		return nil, err
	}
	out := BenchAnswer{Bowls: []BenchBowl{}, Makings: orEmpty(makings), Measures: map[string]string{}, Swaps: map[string][]Swap{}, Load: load, Coat: coat, SaltPct: w.SaltPct, SaltFrom: w.SaltFrom, RubG: w.RubG, Allergens: w.Allergens, MassG: w.MassG,
		EnergyWh: with.End.EnergyWh, OvenWh: prep.OvenWh(total(r.Body.Request.Program)), PanWh: prep.PanWh(w.MassG, with.End.MassLossPct)}
	for _, st := range w.Stations {
		bare, bareCoat := load, coat
		switch st.ID {
		case "dry":
			wet := prep.Drying{School: "wet"}.SurfaceWater()
			if bench.Drying.School == "rack" {
				wet = prep.Drying{}.SurfaceWater()
			}
			bare.SurfaceWaterG = &wet
		case "marinade":
			bareCoat.SugarPct = sugar
			bareCoat.SaltPct = math.Max(0, coat.SaltPct-100*w.SaltFrom["marinade"]/(q.Load.PieceMassG*float64(q.Load.Pieces)*(1-cut.Bone)))
		case "salt":
			bareCoat.SaltPct = math.Max(0, coat.SaltPct-100*w.SaltFrom["salt"]/(q.Load.PieceMassG*float64(q.Load.Pieces)*(1-cut.Bone)))
		case "coat":
			bareCoat.ID, bareCoat.OilG = "bare", 0
		}
		without := q
		without.Load, without.Coat = bare, &bareCoat
		skipped, err := program.Simulate(ctx, without, program.Options{NoChance: true})
		if err != nil {
			return nil, err
		}
		does := "Nothing that the basket feels."
		switch st.ID {
		case "finish":
		case "cut":
			if does, err = spread(ctx, q); err != nil {
				return nil, err
			}
		default:
			does = beside(with, skipped)
		}
		out.Stations = append(out.Stations, Station{Cautions: st.Cautions, Does: does, Headline: st.Headline, Id: st.ID, Title: st.Title, Why: st.Why,
			Without: Without{Load: bare, Coat: bareCoat}})
	}
	if w.Salted != nil {
		out.Profile = &w.Salted.Profile
		if h := w.Salted.EvenHours; h > 0 {
			out.EvenHours = &h
		}
	}
	for _, b := range w.Coated.Bowls {
		ing := pantry[b.Ingredient]
		out.Bowls = append(out.Bowls, BenchBowl{b.Ingredient, units.InSpoons(b.PutOutG/ing.Density, spoons), ing.Name, b.PutOutG, b.SticksG})
	}
	items := slices.Clone(bench.Finish)
	if bench.Marinade != nil {
		items = append(items, bench.Marinade.Items...)
	}
	for _, it := range items {
		out.Measures[it.Ingredient] = units.InSpoons(it.G/pantry[it.Ingredient].Density, spoons)
		if swaps := pantry.Swaps(it.Ingredient, it.G); len(swaps) > 0 {
			out.Swaps[it.Ingredient] = swaps
		}
	}
	kept := prep.Kept{MassLossPct: with.End.MassLossPct, FatRenderedPct: orElse(with.End.FatRenderedPct, 0)}
	servings := bench.Servings
	if servings == 0 {
		servings = 2
	}
	if cost, known := w.Cost(pantry, bench, with.End.EnergyWh); known {
		out.Cost = &cost
	}
	out.Plate, out.DeepFried = w.Serve(cut, q.Load.PieceMassG, thick, q.Load.Pieces, coat.ID, servings, kept)
	return WorkBench200JSONResponse(out), nil
}

func total(p program.Program) (sum float64) {
	for _, s := range p.Stages {
		sum += s.Minutes
	}
	return sum
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
			add(fmt.Sprintf("%s %.1f min %s", name, math.Abs(*a-*b), word))
		case a != nil && b == nil:
			add(fmt.Sprintf("%s at %.0f min, and without it not at all", name, *a))
		case a == nil && b != nil:
			add(fmt.Sprintf("no longer %s, which without it comes at %.0f min", name, *b))
		}
	}
	when("crisp", with.CrispAtMin, without.CrispAtMin)
	when("safe", with.SafeAtMin, without.SafeAtMin)
	if d := with.End.JuiceKeptPct - without.End.JuiceKeptPct; math.Abs(d) >= 1 {
		add(fmt.Sprintf("%+.0f %% juice", d))
	}
	if d := with.End.Crust - without.End.Crust; math.Abs(d) >= 2 {
		add(fmt.Sprintf("crust %+.0f of 100", d))
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
