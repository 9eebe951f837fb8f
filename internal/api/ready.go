package api

import (
	"context"
	"errors"

	"velocrustum/core/advise"
	"velocrustum/core/load"
	"velocrustum/core/prep"
	"velocrustum/core/refuse"
	"velocrustum/core/safety"
	"velocrustum/core/verdict"
	"velocrustum/internal/store"
)

// dish puts together what was asked for: the household's fryers by their ids,
// and its guidance where none is named.
func (s *Server) dish(ctx context.Context, q SimulationRequest) (prep.Dish, error) {
	set, err := s.store.Settings(ctx)
	if err != nil {
		return prep.Dish{}, err
	}
	d := prep.Dish{Bench: q.Bench}
	d.Request = load.Request{Load: q.Load, Coat: q.Coat, Fryer: q.Fryer, Program: q.Program, Groups: orElse(q.Groups, nil), CrustWanted: q.CrustWanted,
		TailMin: orElse(q.TailMin, 0), Guidance: string(set.Guidance), Units: set.Units()}
	if set.Guidance == safety.Stricter {
		d.GuidanceC = set.GuidanceC
	}
	if q.Guidance != nil {
		d.Guidance, d.GuidanceC = *q.Guidance, orElse(q.GuidanceC, 0)
	}
	d.PerBasket = orElse(q.PerBasket, 0)
	for _, f := range []struct {
		field string
		id    *string
		into  **load.Fryer
	}{{"fryerId", q.FryerId, &d.Fryer}, {"secondFryerId", q.SecondFryerId, &d.Second}} {
		if f.id == nil {
			continue
		}
		own, err := s.store.Fryer(ctx, *f.id)
		if errors.Is(err, store.ErrNotFound) {
			return d, refuse.One(f.field, *f.id, "the id of one of your fryers")
		} else if err != nil {
			return d, err
		}
		*f.into = &own.Fryer
	}
	return d, nil
}

// ready is what was asked for as it goes into the basket, off the bench.
func (s *Server) ready(ctx context.Context, q SimulationRequest) (load.Dish, error) {
	d, err := s.dish(ctx, q)
	if err != nil {
		return load.Dish{}, err
	}
	pantry, _, err := s.pantry(ctx)
	if err != nil {
		return load.Dish{}, err
	}
	out, _, err := pantry.Ready(d)
	return out, err
}

// taken makes what was asked for ready and finds a place to work on it, which
// is given back by the function returned.
func (s *Server) taken(ctx context.Context, q SimulationRequest) (context.Context, load.Dish, func(), error) {
	d, err := s.ready(ctx, q)
	if err != nil {
		return ctx, d, nil, err
	}
	ctx, leave, err := s.work.place(ctx)
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
	out := Answered{Answer: a.Rounded(), Load: d.Load, Coat: load.Covering{ID: "bare"}}
	if d.Coat != nil {
		out.Coat = *d.Coat
	}
	out.CoatSays = d.CoatSays()
	return Simulate200JSONResponse(out), err
}
