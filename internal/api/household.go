package api

import (
	"context"
	"encoding/json"
	"fmt"

	"velocrustum/core/belief"
	"velocrustum/core/ensemble"
	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/refuse"
	"velocrustum/internal/household"
	"velocrustum/internal/store"
)

// GetSettings answers GET /settings.
func (s *Server) GetSettings(ctx context.Context, _ GetSettingsRequestObject) (GetSettingsResponseObject, error) {
	v, err := s.store.Settings(ctx)
	return GetSettings200JSONResponse(v), err
}

// Patch is what of a thing is to be changed, as it was sent.
type Patch = json.RawMessage

// ChangeSettings answers PATCH /settings.
func (s *Server) ChangeSettings(ctx context.Context, r ChangeSettingsRequestObject) (ChangeSettingsResponseObject, error) {
	v, err := s.home.ChangeSettings(ctx, *r.Body)
	return ChangeSettings200JSONResponse(v), err
}

// ListFryers answers GET /fryers.
func (s *Server) ListFryers(ctx context.Context, _ ListFryersRequestObject) (ListFryersResponseObject, error) {
	fryers, err := s.store.Fryers(ctx)
	for i := range fryers {
		fryers[i] = fryers[i].Told()
	}
	return ListFryers200JSONResponse(fryers), err
}

// PutFryer answers PUT /fryers/{id}.
func (s *Server) PutFryer(ctx context.Context, r PutFryerRequestObject) (PutFryerResponseObject, error) {
	v, err := version(r.Params.IfMatch)
	if err != nil {
		return nil, err
	}
	f, err := household.CheckedFryer(*r.Body)
	if err != nil {
		return nil, err
	}
	f.ID = r.Id
	f, err = s.store.PutFryer(ctx, f, v)
	return PutFryer200JSONResponse(f.Told()), err
}

func orEmpty[T any](list []T) []T {
	if list == nil {
		return []T{}
	}
	return list
}

func orElse[T any](p *T, d T) T {
	if p == nil {
		return d
	}
	return *p
}

// CreateFryer answers POST /fryers.
func (s *Server) CreateFryer(ctx context.Context, r CreateFryerRequestObject) (CreateFryerResponseObject, error) {
	f, err := household.CheckedFryer(*r.Body)
	if err != nil {
		return nil, err
	}
	f, err = s.store.AddFryer(ctx, f)
	return CreateFryer201JSONResponse(f), err
}

// DeleteFryer answers DELETE /fryers/{id}.
func (s *Server) DeleteFryer(ctx context.Context, r DeleteFryerRequestObject) (DeleteFryerResponseObject, error) {
	return DeleteFryer204Response{}, s.store.DeleteFryer(ctx, r.Id)
}

// RestoreFryer answers POST /fryers/{id}/restore.
func (s *Server) RestoreFryer(ctx context.Context, r RestoreFryerRequestObject) (RestoreFryerResponseObject, error) {
	f, err := s.store.RestoreFryer(ctx, r.Id)
	return RestoreFryer200JSONResponse(f.Told()), err
}

// PortrayFryer answers POST /fryer-portraits.
func (s *Server) PortrayFryer(ctx context.Context, r PortrayFryerRequestObject) (PortrayFryerResponseObject, error) {
	set, err := s.store.Settings(ctx)
	if err != nil {
		return nil, err
	}
	f, err := household.CheckedFryer(r.Body.Fryer)
	if err != nil {
		return nil, err
	}
	if r.Body.FryerId != nil {
		own, err := s.store.Fryer(ctx, *r.Body.FryerId)
		if err != nil {
			return nil, err
		}
		f.ID, f.AboveSeaM, f.FridgeC = own.ID, own.AboveSeaM, own.FridgeC
		if f.Learnt, err = s.sessions.LearntNow(ctx, f); err != nil {
			return nil, err
		}
	}
	p, err := ensemble.PortraitOf(f.Fryer, orElse(r.Body.DialC, 0), set.Units())
	return PortrayFryer200JSONResponse(p), err
}

// GetLearnt answers GET /fryers/{id}/learnt.
func (s *Server) GetLearnt(ctx context.Context, r GetLearntRequestObject) (GetLearntResponseObject, error) {
	out, err := s.sessions.LearntOf(ctx, r.Id)
	return GetLearnt200JSONResponse(out), err
}

// GetMeasuring answers GET /fryers/{id}/measuring.
func (s *Server) GetMeasuring(ctx context.Context, r GetMeasuringRequestObject) (GetMeasuringResponseObject, error) {
	m, err := s.sessions.Measuring(ctx, r.Id)
	return GetMeasuring200JSONResponse{Run: m}, err
}

// BeginMeasuring answers PUT /fryers/{id}/measuring.
func (s *Server) BeginMeasuring(ctx context.Context, r BeginMeasuringRequestObject) (BeginMeasuringResponseObject, error) {
	set := belief.MeasuredRun{DialC: r.Body.DialC, Drawer: string(orElse(r.Body.Drawer, "")), Potato: r.Body.Potato}
	return BeginMeasuring204Response{}, s.sessions.Measure(ctx, r.Id, set, orElse(r.Body.Probe, ""))
}

// ReadRun answers POST /fryers/{id}/measuring/readings.
func (s *Server) ReadRun(ctx context.Context, r ReadRunRequestObject) (ReadRunResponseObject, error) {
	return ReadRun204Response{}, s.sessions.ReadRun(ctx, r.Id, r.Body.C)
}

// StopMeasuring answers DELETE /fryers/{id}/measuring.
func (s *Server) StopMeasuring(ctx context.Context, r StopMeasuringRequestObject) (StopMeasuringResponseObject, error) {
	return StopMeasuring204Response{}, s.sessions.StopMeasuring(ctx, r.Id)
}

// GuessFryer answers POST /fryer-guesses.
func (s *Server) GuessFryer(_ context.Context, r GuessFryerRequestObject) (GuessFryerResponseObject, error) {
	k := fryer.ReadOff{Kind: fryer.Kind(r.Body.Kind), Litres: orElse(r.Body.Litres, 0), PowerW: orElse(r.Body.PowerW, 0), Drawers: orElse(r.Body.Drawers, 1)}
	if r.Body.Shape != nil {
		k.Shape = fryer.BasketShape(*r.Body.Shape)
	}
	g, err := fryer.Infer(k)
	if err != nil {
		return nil, refuse.One("litres", fmt.Sprintf("%g", k.Litres), fmt.Sprintf("%g to %g litres", fryer.MinLitres, fryer.MaxLitres))
	}
	name := map[fryer.Kind]string{fryer.Drawer: "New drawer", fryer.Oven: "New oven"}[g.Kind]
	made := load.Fryer{Kind: string(g.Kind), PowerW: &g.PowerW, Airflow: &g.Airflow, Trays: g.Levels, Drawers: g.Drawers, Basket: &g.Basket,
		Dial: &load.Dial{MinC: g.DialMin, MaxC: g.DialMax, StepC: g.Step}, Inferred: g.Guessed}
	return GuessFryer200JSONResponse(store.OwnFryer{Name: name, Fryer: made.Whole()}), nil
}
