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
	Load load.Pieces   `json:"load"`
	Coat load.Covering `json:"coat"`
	// CoatSays is how an order has it.
	CoatSays string `json:"coatSays"`
}

// Simulate answers POST /simulations.
func (s *Server) Simulate(ctx context.Context, r SimulateRequestObject) (SimulateResponseObject, error) {
	ctx, d, leave, err := s.taken(ctx, *r.Body)
	if err != nil {
		return nil, err
	}
	defer leave()
	opt := verdict.Options{NoChance: !orElse(r.Params.Chance, true), Ahead: orElse(r.Params.Ahead, false)}
	var a verdict.Answer
	if orElse(r.Params.Changes, true) {
		a, err = advise.Simulate(ctx, d, opt)
	} else {
		a, err = verdict.Simulate(ctx, d.First(), opt)
	}
	out := Answered{Answer: a.Rounded(), Load: d.Lots[0].Load, Coat: load.Covering{ID: food.Bare}}
	if c := d.Lots[0].Coat; c != nil {
		out.Coat = *c
	}
	out.CoatSays = d.CoatSays(d.Lots[0])
	return Simulate200JSONResponse(out), err
}
