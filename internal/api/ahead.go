package api

import (
	"context"
	"math"

	"velocrustum/core/belief"
	"velocrustum/core/verdict"
	"velocrustum/internal/session"
)

// GetAhead answers GET /cooks/{id}/ahead.
func (s *Server) GetAhead(ctx context.Context, r GetAheadRequestObject) (GetAheadResponseObject, error) {
	c, l, err := s.sessions.Led(ctx, r.Id)
	if err != nil {
		return nil, err
	}
	seen, err := s.sessions.Seen(ctx, c, l)
	if err != nil {
		return nil, err
	}
	out := GetAhead200JSONResponse{Readings: []ReadInside{}}
	for _, e := range seen {
		if e.Kind == belief.SeenProbe || e.Kind == belief.SeenLeftIn {
			out.Readings = append(out.Readings, ReadInside{C: e.C, Kind: ReadInsideKind(e.Kind), Lot: &e.Lot, Minute: math.Round(e.AtMin*100) / 100})
		}
	}
	before, now, err := s.sessions.BeforeAndNow(ctx, c, l, seen)
	if err != nil {
		return nil, err
	}
	for _, b := range []struct {
		of   *session.Outlook
		into *belief.Ahead
	}{{before, &out.Before}, {now, &out.Now}} {
		if b.of != nil {
			*b.into = b.of.Ahead
		}
		if b.into.Band == nil {
			b.into.Band, b.into.Timeline = []verdict.Band{}, c.Forecast.V.Rounded().Timeline
		}
	}
	return out, nil
}
