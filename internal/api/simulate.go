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

// Simulate answers POST /simulations.
func (s *Server) Simulate(ctx context.Context, r SimulateRequestObject) (SimulateResponseObject, error) {
	ctx, d, leave, err := s.taken(ctx, *r.Body)
	if err != nil {
		return nil, err
	}
	defer leave()
	opt := verdict.Options{NoChance: !orElse(r.Params.Chance, true), Ahead: orElse(r.Params.Ahead, false), ByLots: r.Body.Lots != nil}
	var a verdict.Answer
	if orElse(r.Params.Changes, true) {
		a, err = advise.Simulate(ctx, d, opt)
	} else {
		a, err = verdict.Simulate(ctx, d.First(), opt)
	}
	out := Answered{Answer: a.Rounded()}
	for _, lot := range d.Lots {
		coat := load.Covering{ID: food.Bare}
		if lot.Coat != nil {
			coat = *lot.Coat
		}
		out.Laid = append(out.Laid, LaidLot{Load: lot.Load, Coat: coat, CoatSays: d.CoatSays(lot)})
	}
	return Simulate200JSONResponse(out), err
}
