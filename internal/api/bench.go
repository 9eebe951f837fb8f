package api

import (
	"context"
	"errors"
	"fmt"
	"math"
	"slices"

	"velocrustum/core/food"
	"velocrustum/core/prep"
	"velocrustum/core/program"
	"velocrustum/core/units"
)

// pantry returns the household's pantry and its spoons.
func (s *Server) pantry(ctx context.Context) (prep.Pantry, units.Spoons, error) {
	own, err := s.store.Pantry(ctx)
	if err != nil {
		return nil, "", err
	}
	set, err := s.store.Settings(ctx)
	spoons := units.MetricSpoons
	if set.Mass == "oz" {
		spoons = units.USSpoons
	}
	return prep.NewPantry(own), spoons, err
}

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
	makings := prep.Makings(q.Load.Cut)
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
	bench.Coating.PlannedOilG = coat.OilG
	w, err := pantry.Work(cut, q.Load.PieceMassG, thick, q.Load.Pieces, coat.ID, bench, spoons)
	if err != nil {
		return nil, prepError("bench.", err)
	}
	e := w.Effects
	load := q.Load
	load.SurfaceWaterG = &e.SurfaceWaterG
	coat.SaltPct, coat.SugarPct = e.SaltPct, e.SugarPct
	if bench.Coating.Oil != "" { // or the plan's own oil stays
		coat.OilG = math.Round(e.OilG*10) / 10
	}
	load.SpreadPct = nil
	if e.SpreadPct > 0 {
		load.SpreadPct = &e.SpreadPct
	}
	q.Load, q.Coat = load, &coat
	q.TailMin = math.Max(q.TailMin, math.Min(20, program.MaxMinutes-total(q.Program)))
	with, err := program.Simulate(ctx, q, program.Options{NoChance: true})
	if err != nil {
		return nil, err
	}
	out := BenchAnswer{Load: load, Coat: coat, SaltPct: w.SaltPct, SaltFrom: w.SaltFrom, RubG: w.RubG, Allergens: w.Allergens, MassG: w.MassG,
		EnergyWh: with.End.EnergyWh, OvenWh: ovenWh(total(r.Body.Request.Program))}
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
			bareCoat.SugarPct = 0
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
		item := struct {
			Cautions []string `json:"cautions"`
			Does     string   `json:"does"`
			Headline string   `json:"headline"`
			Id       string   `json:"id"`
			Title    string   `json:"title"`
			Why      string   `json:"why"`
			Without  struct {
				Coat Coat `json:"coat"`
				Load Load `json:"load"`
			} `json:"without"`
		}{Cautions: st.Cautions, Does: does, Headline: st.Headline, Id: st.ID, Title: st.Title, Why: st.Why}
		item.Without.Load, item.Without.Coat = bare, bareCoat
		out.Stations = append(out.Stations, item)
	}
	if w.Salted != nil {
		profile := make([]struct {
			Mm  float64 `json:"mm"`
			Pct float64 `json:"pct"`
		}, len(w.Salted.Profile))
		for i, p := range w.Salted.Profile {
			profile[i].Mm, profile[i].Pct = p.Mm, p.Pct
		}
		out.Profile = &profile
	}
	for _, b := range w.Coated.Bowls {
		ing := pantry[b.Ingredient]
		out.Bowls = append(out.Bowls, struct {
			Ingredient string  `json:"ingredient"`
			Measure    string  `json:"measure"`
			Name       string  `json:"name"`
			PutOutG    float64 `json:"putOutG"`
			SticksG    float64 `json:"sticksG"`
		}{b.Ingredient, units.InSpoons(b.PutOutG/ing.Density, spoons), ing.Name, b.PutOutG, b.SticksG})
	}
	if out.Bowls == nil {
		out.Bowls = make([]struct {
			Ingredient string  `json:"ingredient"`
			Measure    string  `json:"measure"`
			Name       string  `json:"name"`
			PutOutG    float64 `json:"putOutG"`
			SticksG    float64 `json:"sticksG"`
		}, 0)
	}
	kept := prep.Kept{MassLossPct: with.End.MassLossPct, FatRenderedPct: orElse(with.End.FatRenderedPct, 0)}
	servings := bench.Servings
	if servings == 0 {
		servings = 2
	}
	for _, m := range makings {
		out.Makings = append(out.Makings, struct {
			Says string `json:"says"`
			To   string `json:"to"`
		}{m.Says, m.To})
	}
	if out.Makings == nil {
		out.Makings = make([]struct {
			Says string `json:"says"`
			To   string `json:"to"`
		}, 0)
	}
	if cost, known := w.Cost(pantry, bench, with.End.EnergyWh); known {
		out.Cost = &cost
	}
	out.Plate, out.DeepFried = w.Serve(cut, q.Load.PieceMassG, thick, q.Load.Pieces, coat.ID, servings, kept)
	return WorkBench200JSONResponse(out), nil
}

// ovenWh is what a domestic oven takes for the same: 2.2 kW, twelve minutes
// of heating, then on for 60 % of a time that is half as long again.
func ovenWh(minutes float64) float64 { return 2200 * (12 + 0.6*1.5*minutes) / 60 }

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

// ReadAmount answers POST /amounts.
func (s *Server) ReadAmount(ctx context.Context, r ReadAmountRequestObject) (ReadAmountResponseObject, error) {
	pantry, spoons, err := s.pantry(ctx)
	if err != nil {
		return nil, err
	}
	i, err := pantry.Find(r.Body.Ingredient)
	if err != nil {
		return nil, program.FieldErrors{{Field: "ingredient", Value: fmt.Sprintf("%q", r.Body.Ingredient), Allowed: "an ingredient of the pantry"}}
	}
	g, err := pantry.Grams(i.ID, r.Body.Text, spoons)
	if err != nil {
		return nil, program.FieldErrors{{Field: "text", Value: fmt.Sprintf("%q", r.Body.Text), Allowed: err.Error()}}
	}
	return ReadAmount200JSONResponse{G: math.Round(g*100) / 100, Says: units.InSpoons(g/i.Density, spoons)}, nil
}

// ListPantry answers GET /pantry.
func (s *Server) ListPantry(ctx context.Context, _ ListPantryRequestObject) (ListPantryResponseObject, error) {
	own, err := s.store.Pantry(ctx)
	if err != nil {
		return nil, err
	}
	out := ListPantry200JSONResponse{Ingredients: prep.Ingredients(), Own: []string{}}
	for _, o := range own {
		out.Own = append(out.Own, o.ID)
		if k := slices.IndexFunc(out.Ingredients, func(i prep.Ingredient) bool { return i.ID == o.ID }); k >= 0 {
			out.Ingredients[k] = o
		} else {
			out.Ingredients = append(out.Ingredients, o)
		}
	}
	return out, nil
}

// PutIngredient answers PUT /pantry/{id}.
func (s *Server) PutIngredient(ctx context.Context, r PutIngredientRequestObject) (PutIngredientResponseObject, error) {
	i := *r.Body
	i.ID = r.Id
	if err := i.Check(); err != nil {
		return nil, prepError("", err)
	}
	return PutIngredient200JSONResponse(i), s.store.PutIngredient(ctx, i)
}

// DropIngredient answers DELETE /pantry/{id}.
func (s *Server) DropIngredient(ctx context.Context, r DropIngredientRequestObject) (DropIngredientResponseObject, error) {
	return DropIngredient204Response{}, s.store.DropIngredient(ctx, r.Id)
}
