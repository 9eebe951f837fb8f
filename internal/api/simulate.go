package api

import (
	"context"

	"velocrustum/core/advise"
	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/verdict"
)

// taken makes what was asked for ready and finds a place to work on it, which
// is given back by the function returned.
func (s *Server) taken(ctx context.Context, q SimulationRequest) (context.Context, load.Dish, func(), error) {
	d, err := s.home.Ready(ctx, orderOf(q))
	if err != nil {
		return ctx, d, nil, err
	}
	ctx, leave, err := s.home.Places.Take(ctx)
	return ctx, d, leave, err
}

// Answered is an answer, and the whole dish as it goes into the basket.
type Answered struct {
	verdict.Answer
	Laid []LaidLot `json:"laid"`
}

// optionsOf are those that a simulation is asked with.
func optionsOf(r SimulateRequestObject) verdict.Options {
	return verdict.Options{NoChance: !orElse(r.Params.Chance, true), Ahead: orElse(r.Params.Ahead, false), ByLots: r.Body.Lots != nil}
}

// laidOf are lots as they go in.
func laidOf(q load.Request) (out []LaidLot) {
	for _, lot := range q.Lots {
		coat := load.Covering{ID: food.Bare}
		if lot.Coat != nil {
			coat = *lot.Coat
		}
		out = append(out, LaidLot{Load: lot.Load, Coat: coat, CoatSays: q.CoatSays(lot)})
	}
	return out
}

// simulateDrawers answers for two drawers that run apart.
func (s *Server) simulateDrawers(ctx context.Context, r SimulateRequestObject) (SimulateResponseObject, error) {
	both, err := s.home.InDrawers(ctx, orderOf(*r.Body))
	if err != nil {
		return nil, err
	}
	ctx, leave, err := s.home.Places.Take(ctx)
	if err != nil {
		return nil, err
	}
	defer leave()
	opt := optionsOf(r)
	var a verdict.Answer
	if orElse(r.Params.Changes, true) {
		a, err = advise.SimulateChambers(ctx, both, opt)
	} else {
		a, err = verdict.SimulateChambers(ctx, both, opt, nil)
	}
	out := Answered{Answer: a.Rounded()}
	for _, c := range both {
		out.Laid = append(out.Laid, laidOf(c.Request)...)
	}
	return Simulate200JSONResponse(out), err
}

// Simulate answers POST /simulations.
func (s *Server) Simulate(ctx context.Context, r SimulateRequestObject) (SimulateResponseObject, error) {
	if r.Body.Chambers != nil {
		return s.simulateDrawers(ctx, r)
	}
	ctx, d, leave, err := s.taken(ctx, *r.Body)
	if err != nil {
		return nil, err
	}
	defer leave()
	opt := optionsOf(r)
	var a verdict.Answer
	if orElse(r.Params.Changes, true) {
		a, err = advise.Simulate(ctx, d, opt)
	} else {
		a, err = verdict.Simulate(ctx, d.First(), opt)
	}
	out := Answered{Answer: a.Rounded(), Laid: laidOf(d.Request)}
	return Simulate200JSONResponse(out), err
}
