package api

import (
	"context"

	"velocrustum/core/baskets"
	"velocrustum/core/larder"
	"velocrustum/core/load"
	"velocrustum/core/pan"
	"velocrustum/core/prep"
	"velocrustum/core/units"
)

// WorkPan answers POST /pan.
func (s *Server) WorkPan(ctx context.Context, r WorkPanRequestObject) (WorkPanResponseObject, error) {
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
	ready, w, err := pantry.Ready(d)
	if err != nil {
		return nil, err
	}
	out := PanAnswer{Sauces: []PanAnswerSauce{}, Mixes: orEmpty(w.Mixes()), Servings: w.Servings(), Lots: load.LotNames(ready.Lots)}
	for _, of := range w.Sauces() {
		m, outMin := of.Made, d.Program.Minutes()
		if of.Of != nil {
			if o := ready.Lots[*of.Of].OutMin; o != nil {
				outMin = *o
			}
		}
		serving := of.Serving.Whole()
		clings := m.ClingsG
		if serving.How == pan.Brush {
			clings *= pan.WayOf(serving.How).Lays // a brush leaves less
		}
		fates, err := baskets.Fates(ctx, ready.First(), baskets.Dressing{ClingsG: clings, WaterPct: m.WaterPct, SolidsPct: m.SolidsPct, Plated: pan.WayOf(serving.How).Plated, Of: of.Of})
		if err != nil {
			return nil, err
		}
		asked, called := goesOn(serving)
		best, advice := baskets.Advice(fates, asked, called)
		one := PanAnswerSauce{Made: m, Lot: of.Of, OutMin: outMin, Told: m.Tell(of.Serving, pantry.Find, say), Fates: fates, Best: best, Advice: advice, Drops: pan.LevelOf(m.ClingsG).Drops, EatenKcal: m.Eaten.Kcal(), KcalPer100: m.Per100.Kcal()}
		one.Measures, one.Swaps = amounts(m.Items, pantry, say)
		out.Sauces = append(out.Sauces, one)
	}
	return WorkPan200JSONResponse(out), nil
}

// goesOn is the way that a sauce goes on, of those of which the fate is shown, and what a
// cook calls it.
func goesOn(s pan.Serving) (fate, called string) {
	switch s.How {
	case pan.Up:
		return baskets.DressUp, "On one face"
	case pan.Beside:
		return baskets.DressNone, "With the sauce beside it"
	case pan.Ladle:
		return baskets.DressLadle, "Ladled over"
	case pan.Pour:
		return baskets.DressPour, "Poured over"
	case pan.Under:
		return baskets.DressUnder, "Ladled under"
	}
	fate, called = baskets.DressNow, map[bool]string{true: "Brushed on", false: "Tossed"}[s.How == pan.Brush]
	if s.AtTable {
		return baskets.DressTable, called + " at the table"
	}
	return fate, called + " at once"
}

// amounts are a recipe's in the household's spoons, and what could stand in.
func amounts(items []larder.Item, pantry prep.Pantry, say units.Household) (measures map[string]string, swaps map[string][]Swap) {
	measures, swaps = map[string]string{}, map[string][]Swap{}
	for _, it := range items {
		measures[it.Ingredient] = say.Spooned(it.G / pantry[it.Ingredient].Density)
		if s := pantry.Swaps(it.Ingredient, it.G, say); len(s) > 0 {
			swaps[it.Ingredient] = s
		}
	}
	return measures, swaps
}
