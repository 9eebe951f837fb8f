package api

import (
	"context"
	"strconv"
	"strings"

	"velocrustum/core/prep"
	"velocrustum/core/refuse"
	"velocrustum/internal/household"
	"velocrustum/internal/store"
)

// orderOf is what was asked for.
func orderOf(q SimulationRequest) household.Order {
	return household.Order{Load: q.Load, Coat: q.Coat, Bench: q.Bench, Program: q.Program, Groups: orElse(q.Groups, nil), CrustWanted: q.CrustWanted, TailMin: orElse(q.TailMin, 0),
		PerBasket: orElse(q.PerBasket, 0), Fryer: q.Fryer, FryerID: q.FryerId, SecondFryerID: q.SecondFryerId, Guidance: q.Guidance, GuidanceC: orElse(q.GuidanceC, 0)}
}

// planOf is a dish as it was put in.
func planOf(in PlanInput) store.Plan {
	p := store.Plan{Name: in.Name, FryerID: in.FryerId, TableTime: in.TableTime, PerBasket: in.PerBasket, SecondFryerID: in.SecondFryerId}
	p.Bench.V = orElse(in.Bench, prep.Bench{})
	p.Load.V, p.Coat.V, p.Program.V, p.Groups.V = in.Load, in.Coat, in.Program, orElse(in.Groups, nil)
	return p
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
	p, err := s.home.CheckedPlan(ctx, planOf(*r.Body))
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
	p, err := s.home.CheckedPlan(ctx, planOf(*r.Body))
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
