package api

import (
	"context"
	"strconv"
	"strings"

	"velocrustum/core/food"
	"velocrustum/core/fryer"
	"velocrustum/core/prep"
	"velocrustum/core/program"
	"velocrustum/core/refuse"
	"velocrustum/core/safety"
	"velocrustum/internal/store"
)

// GetCatalog answers GET /catalog.
func (s *Server) GetCatalog(ctx context.Context, _ GetCatalogRequestObject) (GetCatalogResponseObject, error) {
	set, err := s.store.Settings(ctx)
	if err != nil {
		return nil, err
	}
	pantry, _, err := s.pantry(ctx)
	if err != nil {
		return nil, err
	}
	c := Catalog{
		Surfaces: []Choice{
			{"wet", "Wet from the tap or the brine", "still wet"},
			{"wiped", "Wiped with paper", "wiped dry"},
			{"racked", "Wiped, then two hours on a rack in the fridge", "dried on the rack"},
		},
		Guidances: []Choice{
			{"us", "US consumer guidance", "US guidance"},
			{"uk", "UK guidance: 70 °C for 2 min or equivalent", "UK guidance"},
			{"stricter", "My own, stricter", "your own rule"},
		},
		FryerKinds: []Choice{
			{string(fryer.Drawer), "Drawer with a basket", "drawer"},
			{string(fryer.Oven), "Oven with trays", "oven"},
		},
	}
	c.Wants = []Choice{
		{string(program.Balanced), "Balanced", "a crust with most of the juice"},
		{string(program.Crisper), "Crisper", "a harder crust"},
		{string(program.Juicier), "Juicier", "more juice"},
		{string(program.Sooner), "Sooner", "fewer minutes"},
		{string(program.Paler), "Paler", "gold, not brown: better for starchy food"},
	}
	l := &c.Limits
	l.MaxPieces, l.MaxStages = program.MaxPieces, program.MaxStages
	l.MinAirC, l.MaxAirC, l.MaxMinutes = program.MinAirC, program.MaxAirC, program.MaxMinutes
	l.MinStartC, l.MaxStartC = program.MinStartC, program.MaxStartC
	l.MinGuidanceC, l.MaxGuidanceC = safety.StricterFloor, safety.StricterTop
	forms := map[food.Form]CutInfoForm{food.Slab: "slab", food.Cylinder: "cylinder", food.Ellipsoid: "ellipsoid"}
	for _, f := range food.Cuts() {
		rule, err := safety.For(set.Guidance, f.Class, set.GuidanceC)
		if err != nil {
			return nil, err
		}
		least, most := f.Allowed()
		piece := f.Piece(f.Typical, 0)
		info := CutInfo{
			Id: f.ID, Name: f.Name, Plural: f.Plural, Group: f.Group, Faces: f.Faces[:], Form: forms[f.Form], Length: f.Length, Width: f.Width,
			TypicalG: f.Typical, LeastG: least, MostG: most, Safety: string(f.Class), RuleC: rule.CoreC, Source: f.Source,
		}
		info.TypicalMm.Thickness, info.TypicalMm.Length, info.TypicalMm.Width = piece.Thickness*1000, piece.Length*1000, piece.Width*1000
		c.Cuts = append(c.Cuts, info)
	}
	for _, k := range food.Coats() {
		c.Coats = append(c.Coats, CoatInfo{Id: k.ID, Name: k.Name, Says: k.Says, Allergens: pantry.Allergens(k), NeedsOilG: k.NeedsOil, Source: k.Source})
	}
	return GetCatalog200JSONResponse(c), nil
}

// asked is a plan as a request for what comes of it.
func asked(p store.Plan) SimulationRequest {
	return SimulationRequest{Load: p.Load.V, Coat: &p.Coat.V, Bench: &p.Bench.V, Program: p.Program.V, PerBasket: p.PerBasket,
		FryerId: &p.FryerID, SecondFryerId: p.SecondFryerID}
}

// checked returns the plan of an input if it can be cooked.
func (s *Server) checked(ctx context.Context, in PlanInput) (store.Plan, error) {
	p := store.Plan{Name: strings.TrimSpace(in.Name), FryerID: in.FryerId, TableTime: in.TableTime, PerBasket: in.PerBasket, SecondFryerID: in.SecondFryerId}
	p.Bench.V = orElse(in.Bench, prep.Bench{})
	p.Load.V, p.Coat.V, p.Program.V = in.Load, in.Coat, in.Program
	if p.Name == "" {
		return p, refuse.One("name", "blank", "1 to 80 letters")
	}
	if in.SecondFryerId != nil && *in.SecondFryerId == in.FryerId {
		return p, refuse.One("secondFryerId", *in.SecondFryerId, "the id of another of your fryers")
	}
	_, err := s.ready(ctx, asked(p))
	return p, err
}

func planOut(p store.Plan) Plan {
	return Plan{Id: p.ID, Name: p.Name, FryerId: p.FryerID, Load: p.Load.V, Coat: p.Coat.V, Program: p.Program.V,
		TableTime: p.TableTime, PerBasket: p.PerBasket, SecondFryerId: p.SecondFryerID, Bench: &p.Bench.V, Version: p.Version, ChangedAt: p.ChangedAt.Time}
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
