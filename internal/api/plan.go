package api

import (
	"context"
	"strconv"
	"strings"

	"velocrustum/core/prep"
	"velocrustum/core/refuse"
	"velocrustum/internal/store"
)

// asked is a plan as a request for what comes of it.
func asked(p store.Plan) SimulationRequest {
	return SimulationRequest{Load: p.Load.V, Coat: &p.Coat.V, Bench: &p.Bench.V, Program: p.Program.V, Groups: listed(p.Groups.V), PerBasket: p.PerBasket,
		FryerId: &p.FryerID, SecondFryerId: p.SecondFryerID}
}

// checked returns the plan of an input if it can be cooked.
func (s *Server) checked(ctx context.Context, in PlanInput) (store.Plan, error) {
	p := store.Plan{Name: strings.TrimSpace(in.Name), FryerID: in.FryerId, TableTime: in.TableTime, PerBasket: in.PerBasket, SecondFryerID: in.SecondFryerId}
	p.Bench.V = orElse(in.Bench, prep.Bench{})
	p.Load.V, p.Coat.V, p.Program.V, p.Groups.V = in.Load, in.Coat, in.Program, orElse(in.Groups, nil)
	if p.Name == "" {
		return p, refuse.One("name", "blank", "1 to 80 letters")
	}
	if in.SecondFryerId != nil && *in.SecondFryerId == in.FryerId {
		return p, refuse.One("secondFryerId", *in.SecondFryerId, "the id of another of your fryers")
	}
	d, err := s.ready(ctx, asked(p))
	if err != nil {
		return p, err
	}
	return p, d.Check()
}

// listed is a list, or nothing where it is empty.
func listed[T any](list []T) *[]T {
	if len(list) == 0 {
		return nil
	}
	return &list
}

func planOut(p store.Plan) Plan {
	return Plan{Id: p.ID, Name: p.Name, FryerId: p.FryerID, Load: p.Load.V, Coat: p.Coat.V, Program: p.Program.V,
		TableTime: p.TableTime, PerBasket: p.PerBasket, SecondFryerId: p.SecondFryerID, Bench: &p.Bench.V, Groups: listed(p.Groups.V), Version: p.Version, ChangedAt: p.ChangedAt.Time}
}

// version reads an If-Match header.
func version(h *string) (*int, error) {
	if h == nil {
		return nil, nil
	}
	v, err := strconv.Atoi(strings.Trim(*h, `"`))
	if err != nil {
		return nil, refuse.One("If-Match", *h, `a version in quotes, like "3"`)
	}
	return &v, nil
}

// ListPlans answers GET /plans.
func (s *Server) ListPlans(ctx context.Context, _ ListPlansRequestObject) (ListPlansResponseObject, error) {
	plans, err := s.store.Plans(ctx)
	out := make(ListPlans200JSONResponse, len(plans))
	for i, p := range plans {
		out[i] = planOut(p)
	}
	return out, err
}

// CreatePlan answers POST /plans.
func (s *Server) CreatePlan(ctx context.Context, r CreatePlanRequestObject) (CreatePlanResponseObject, error) {
	p, err := s.checked(ctx, *r.Body)
	if err != nil {
		return nil, err
	}
	p, err = s.store.AddPlan(ctx, p)
	return CreatePlan201JSONResponse(planOut(p)), err
}

// GetPlan answers GET /plans/{id}.
func (s *Server) GetPlan(ctx context.Context, r GetPlanRequestObject) (GetPlanResponseObject, error) {
	p, err := s.store.Plan(ctx, r.Id)
	return GetPlan200JSONResponse(planOut(p)), err
}

// PutPlan answers PUT /plans/{id}.
func (s *Server) PutPlan(ctx context.Context, r PutPlanRequestObject) (PutPlanResponseObject, error) {
	v, err := version(r.Params.IfMatch)
	if err != nil {
		return nil, err
	}
	p, err := s.checked(ctx, *r.Body)
	if err != nil {
		return nil, err
	}
	p.ID = r.Id
	p, err = s.store.PutPlan(ctx, p, v)
	return PutPlan200JSONResponse(planOut(p)), err
}

// DeletePlan answers DELETE /plans/{id}.
func (s *Server) DeletePlan(ctx context.Context, r DeletePlanRequestObject) (DeletePlanResponseObject, error) {
	return DeletePlan204Response{}, s.store.DeletePlan(ctx, r.Id)
}

// RestorePlan answers POST /plans/{id}/restore.
func (s *Server) RestorePlan(ctx context.Context, r RestorePlanRequestObject) (RestorePlanResponseObject, error) {
	p, err := s.store.RestorePlan(ctx, r.Id)
	return RestorePlan200JSONResponse(planOut(p)), err
}
