package api

import (
	"context"
	"math"
	"slices"

	"velocrustum/core/prep"
)

// WorkBench answers POST /bench.
func (s *Server) WorkBench(ctx context.Context, r WorkBenchRequestObject) (WorkBenchResponseObject, error) {
	ctx, leave, err := s.home.Places.Take(ctx)
	if err != nil {
		return nil, err
	}
	defer leave()
	pantry, say, err := s.home.Pantry(ctx)
	if err != nil {
		return nil, err
	}
	d, err := s.home.Dish(ctx, orderOf(*r.Body))
	if err != nil {
		return nil, err
	}
	if d.Bench == nil {
		d.Bench = &prep.Bench{}
	}
	f, err := pantry.Forecast(ctx, d, say)
	if err != nil {
		return nil, err
	}
	out := BenchAnswer{Bowls: []BenchBowl{}, Makings: orEmpty(f.Makings),
		Load: f.Load, Coat: f.Coat, SaltPct: f.SaltPct, SaltFrom: f.SaltFrom, RubG: f.RubG, Allergens: f.Allergens, MassG: f.Lot.MassG(),
		MayScore: prep.MayScore(f.Lot.Cut), EnergyWh: f.EnergyWh, OvenWh: f.OvenWh, PanWh: f.PanWh,
		Rubbed: f.Coated.Rubbed(), StarchShare: f.Coated.StarchShare(), RestMin: f.Coated.RestMin, LayerSticks: orEmpty(f.Coated.Coat.LayerSticks), LayerG: f.Coated.LayerG(), Choices: f.Coated.Choices(), Salts: pantry.Salts(), Servings: f.Servings(),
		Plate: f.Plate, DeepFried: f.DeepFried}
	for _, st := range f.Weighed {
		out.Stations = append(out.Stations, Station{Cautions: st.Cautions, Does: st.Does, Headline: st.Headline, Id: st.ID, Title: st.Title, Why: st.Why,
			Without: Without{Load: st.Load, Coat: st.Coat}})
	}
	if f.Salted != nil {
		out.Profile = &f.Salted.Profile
		if h := f.Salted.EvenHours; h > 0 {
			h = math.Max(0.5, math.Ceil(2*h)/2)
			out.EvenHours = &h
		}
	}
	for _, b := range f.Coated.Bowls {
		ing := pantry[b.Ingredient]
		out.Bowls = append(out.Bowls, BenchBowl{b.Ingredient, say.Spooned(b.PutOutG / ing.Density), ing.Name, b.PutOutG, b.SticksG})
	}
	bench := d.Bench
	items := slices.Clone(bench.Finish)
	if m := bench.Marinade; m != nil {
		if out.Made = m.For(f.Lot.MassG()); out.Made != nil {
			m = out.Made
		}
		items = append(items, m.Items...)
	}
	out.Measures, out.Swaps = amounts(items, pantry, say)
	if cost, known := f.Cost(pantry, f.EnergyWh); known {
		each := cost / float64(f.Servings())
		out.Cost, out.CostEach = &cost, &each
	}
	return WorkBench200JSONResponse(out), nil
}
