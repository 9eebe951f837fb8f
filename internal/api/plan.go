package api

import (
	"context"
	"strconv"
	"strings"

	"velocrustum/core/load"
	"velocrustum/core/prep"
	"velocrustum/core/refuse"
	"velocrustum/internal/household"
	"velocrustum/internal/store"
)

// orderOf is what was asked for.
func orderOf(q SimulationRequest) household.Order {
	return household.Order{Asked: prep.Asked{Lots: orElse(q.Lots, nil), Load: orElse(q.Load, load.Pieces{}), Coat: q.Coat, Bench: q.Bench, Program: orElse(q.Program, load.Program{}), Chambers: orElse(q.Chambers, nil), Ready: string(orElse(q.Ready, "")),
		Groups: orElse(q.Groups, nil), CrustWanted: q.CrustWanted, Likes: q.Likes, TailMin: orElse(q.TailMin, 0), PerBasket: orElse(q.PerBasket, 0), Fryer: q.Fryer,
		Guidance: orElse(q.Guidance, ""), GuidanceC: orElse(q.GuidanceC, 0)}, FryerID: q.FryerId, SecondFryerID: q.SecondFryerId, Drawer: (*string)(q.Drawer)}
}

// askedOf is a dish that is put in, as it would be asked for.
func askedOf(in PlanInput) household.Order {
	return household.Order{Asked: prep.Asked{Lots: orElse(in.Lots, nil), Load: orElse(in.Load, load.Pieces{}), Coat: in.Coat, Bench: in.Bench, Program: in.Program,
		Groups: orElse(in.Groups, nil), PerBasket: orElse(in.PerBasket, 0)}, FryerID: &in.FryerId, SecondFryerID: in.SecondFryerId, Drawer: (*string)(in.Drawer)}
}

// planOf is a dish as it was put in; the short form is one lot.
func planOf(in PlanInput) store.Plan {
	p := store.Plan{Name: in.Name, FryerID: in.FryerId, TableTime: in.TableTime, PerBasket: in.PerBasket, SecondFryerID: in.SecondFryerId,
		Drawer: (*string)(in.Drawer), BesideID: in.BesideId, Ready: (*string)(in.Ready)}
	asked := askedOf(in).Asked.InLots()
	p.Lots.V, p.Bench.V, p.Program.V = asked.Lots, orElse(asked.Bench, prep.Bench{}), asked.Program
	return p
}

func planOut(p store.Plan) Plan {
	return Plan{Id: p.ID, Name: p.Name, FryerId: p.FryerID, Lots: p.Lots.V, Bench: p.Bench.V, Program: p.Program.V,
		TableTime: p.TableTime, PerBasket: p.PerBasket, SecondFryerId: p.SecondFryerID, Drawer: (*PlanDrawer)(p.Drawer), BesideId: p.BesideID, Ready: (*PlanReady)(p.Ready), Version: p.Version, ChangedAt: p.ChangedAt.Time}
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
	p, err := s.home.CheckedDish(ctx, planOf(*r.Body), askedOf(*r.Body))
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
	in := planOf(*r.Body)
	in.ID = r.Id
	p, err := s.home.CheckedDish(ctx, in, askedOf(*r.Body))
	if err != nil {
		return nil, err
	}
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
