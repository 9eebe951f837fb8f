package api

import (
	"context"
	"math"
	"slices"

	"velocrustum/core/prep"
	"velocrustum/core/units"
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
	f, err := pantry.Forecast(ctx, d, say)
	if err != nil {
		return nil, err
	}
	out := BenchAnswer{Lots: []BenchLot{}, SaltPct: f.SaltPct(), SaltFrom: f.SaltFrom(), Allergens: f.Allergens(), MassG: f.MassG(),
		EnergyWh: f.EnergyWh, OvenWh: f.OvenWh, PanWh: f.PanWh, Salts: pantry.Salts(), Servings: f.Servings(), Plate: f.Plate, DeepFried: f.DeepFried}
	for _, lot := range f.Each {
		out.Lots = append(out.Lots, benchLot(lot, pantry, say))
	}
	if cost, known := f.Cost(pantry, f.EnergyWh); known {
		each := cost / float64(f.Servings())
		out.Cost, out.CostEach = &cost, &each
	}
	return WorkBench200JSONResponse(out), nil
}

// benchLot is the bench of one lot.
func benchLot(f prep.LotForecast, pantry prep.Pantry, say units.Household) BenchLot {
	out := BenchLot{Name: f.Lot.Called(), Bowls: []BenchBowl{}, Stations: []Station{}, Makings: orEmpty(f.Makings), Load: f.Load, Coat: f.Coat,
		SaltPct: f.SaltPct, SaltFrom: f.SaltFrom, RubG: f.RubG, MassG: f.Lot.MassG(), MayScore: prep.MayScore(f.Lot.Cut),
		Rubbed: f.Coated.Rubbed(), StarchShare: f.Coated.StarchShare(), RestMin: f.Coated.RestMin, LayerSticks: orEmpty(f.Coated.Coat.LayerSticks),
		LayerG: f.Coated.LayerG(), Choices: f.Coated.Choices()}
	for _, st := range f.Weighed {
		out.Stations = append(out.Stations, Station{Cautions: st.Cautions, Does: st.Does, Headline: st.Headline, Phrases: st.Phrases, Id: st.ID, Title: st.Title, Why: st.Why,
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
	items := slices.Clone(f.Bench.Finish)
	if m := f.Bench.Marinade; m != nil {
		if out.Made = m.For(f.Lot.MassG()); out.Made != nil {
			m = out.Made
		}
		items = append(items, m.Items...)
	}
	out.Measures, out.Swaps = amounts(items, pantry, say)
	return out
}
