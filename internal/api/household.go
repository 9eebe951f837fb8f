package api

import (
	"context"
	"fmt"
	"strings"

	"velocrustum/core/program"
	"velocrustum/core/safety"
	"velocrustum/core/units"
	"velocrustum/internal/store"
)

// GetSettings answers GET /settings.
func (s *Server) GetSettings(ctx context.Context, _ GetSettingsRequestObject) (GetSettingsResponseObject, error) {
	v, err := s.store.Settings(ctx)
	return GetSettings200JSONResponse{
		Temperature: SettingsTemperature(v.Temperature), Mass: SettingsMass(v.Mass), Guidance: SettingsGuidance(v.Guidance),
		GuidanceC: v.GuidanceC, Chime: v.Chime, Shortcuts: v.Shortcuts,
	}, err
}

// PutSettings answers PUT /settings.
func (s *Server) PutSettings(ctx context.Context, r PutSettingsRequestObject) (PutSettingsResponseObject, error) {
	v := store.Settings{
		Temperature: units.Temperature(r.Body.Temperature), Mass: string(r.Body.Mass), Guidance: safety.Guidance(r.Body.Guidance),
		GuidanceC: r.Body.GuidanceC, Chime: r.Body.Chime, Shortcuts: r.Body.Shortcuts,
	}
	if v.Guidance == safety.Stricter && !(v.GuidanceC >= safety.StricterFloor && v.GuidanceC <= safety.StricterTop) {
		return nil, program.FieldErrors{{Field: "guidanceC", Value: fmt.Sprintf("%g", v.GuidanceC),
			Allowed: fmt.Sprintf("%g to %g °C, never under the guidance", safety.StricterFloor, safety.StricterTop)}}
	}
	return PutSettings200JSONResponse(*r.Body), s.store.PutSettings(ctx, v)
}

// ListFryers answers GET /fryers.
func (s *Server) ListFryers(ctx context.Context, _ ListFryersRequestObject) (ListFryersResponseObject, error) {
	fryers, err := s.store.Fryers(ctx)
	out := make(ListFryers200JSONResponse, len(fryers))
	for i, f := range fryers {
		out[i] = fryerOut(f)
	}
	return out, err
}

func fryerOut(f store.Fryer) Fryer {
	return Fryer{Id: f.ID, Name: f.Name, Kind: FryerKind(f.Kind), Basket: f.Basket.V, PowerW: f.PowerW, Airflow: f.Airflow,
		DialOffsetC: f.DialOffsetC, DialMinC: f.DialMinC, DialMaxC: f.DialMaxC, DialStepC: f.DialStepC, Version: f.Version}
}

// PutFryer answers PUT /fryers/{id}.
func (s *Server) PutFryer(ctx context.Context, r PutFryerRequestObject) (PutFryerResponseObject, error) {
	v, err := version(r.Params.IfMatch)
	if err != nil {
		return nil, err
	}
	in := r.Body
	f := store.Fryer{ID: r.Id, Name: strings.TrimSpace(in.Name), Kind: string(in.Kind), PowerW: in.PowerW, Airflow: in.Airflow,
		DialOffsetC: in.DialOffsetC, DialMinC: in.DialMinC, DialMaxC: in.DialMaxC, DialStepC: in.DialStepC}
	f.Basket.V = in.Basket
	if f.Name == "" {
		return nil, program.FieldErrors{{Field: "name", Value: "blank", Allowed: "1 to 60 letters"}}
	}
	if err := program.CheckFryer(*f.Simulated()); err != nil {
		return nil, err
	}
	f, err = s.store.PutFryer(ctx, f, v)
	return PutFryer200JSONResponse(fryerOut(f)), err
}
