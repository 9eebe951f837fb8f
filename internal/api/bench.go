package api

import (
	"context"
	"slices"

	"velocrustum/core/prep"
	"velocrustum/core/units"
)

// WorkBench answers POST /bench.
func (s *Server) WorkBench(ctx context.Context, r WorkBenchRequestObject) (WorkBenchResponseObject, error) {
	bench := r.Body.Bench
	pantry, spoons, err := s.pantry(ctx)
	if err != nil {
		return nil, err
	}
	f, err := pantry.Forecast(ctx, r.Body.Request, bench, spoons)
	if err != nil {
		return nil, err
	}
	out := BenchAnswer{Bowls: []BenchBowl{}, Makings: orEmpty(f.Makings), Measures: map[string]string{}, Swaps: map[string][]Swap{},
		Load: f.Load, Coat: f.Coat, SaltPct: f.SaltPct, SaltFrom: f.SaltFrom, RubG: f.RubG, Allergens: f.Allergens, MassG: f.MassG,
		EnergyWh: f.Answer.End.EnergyWh, OvenWh: prep.OvenWh(f.Minutes), PanWh: prep.PanWh(f.MassG, f.Answer.End.MassLossPct),
		Plate: f.Plate, DeepFried: f.DeepFried}
	for _, st := range f.Steps {
		out.Stations = append(out.Stations, Station{Cautions: st.Cautions, Does: st.Does, Headline: st.Headline, Id: st.ID, Title: st.Title, Why: st.Why,
			Without: Without{Load: st.Load, Coat: st.Coat}})
	}
	if f.Salted != nil {
		out.Profile = &f.Salted.Profile
		if h := f.Salted.EvenHours; h > 0 {
			out.EvenHours = &h
		}
	}
	for _, b := range f.Coated.Bowls {
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
	if cost, known := f.Cost(pantry, bench, f.Answer.End.EnergyWh); known {
		out.Cost = &cost
	}
	return WorkBench200JSONResponse(out), nil
}
