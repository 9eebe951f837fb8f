package api

import (
	"bytes"
	"context"
	"fmt"
	"time"

	"velocrustum/core/refuse"
	"velocrustum/core/verdict"
	"velocrustum/internal/exchange"
	"velocrustum/internal/session"
)

// GetCookTable answers GET /cooks/{id}/tables/{what}.
func (s *Server) GetCookTable(ctx context.Context, r GetCookTableRequestObject) (GetCookTableResponseObject, error) {
	c, l, err := s.sessions.Led(ctx, r.Id)
	if err != nil {
		return nil, err
	}
	loaded, in := l.LoadedAt()
	if !in {
		loaded = c.StartedAt.Time
	}
	var b bytes.Buffer
	switch r.What {
	case "forecast":
		err = exchange.Forecast(&b, loaded, linesOf(c.Forecast.V))
	case "events":
		err = exchange.Events(&b, l)
	default:
		seen, failed := s.sessions.Seen(ctx, c, l)
		if failed != nil {
			return nil, failed
		}
		err = exchange.Readings(&b, l, loaded, seen)
	}
	return GetCookTable200TextcsvResponse{Body: &b, ContentLength: int64(b.Len())}, err
}

// linesOf are those of an answer, of each lot where there are several.
func linesOf(a verdict.Answer) (out []exchange.Line) {
	for _, lot := range a.Lots {
		out = append(out, exchange.Line{Lot: lot.Name, Moments: lot.Timeline})
	}
	if len(out) < 2 {
		return []exchange.Line{{Moments: a.Timeline}}
	}
	return out
}

// zoneOf is the zone of a name, UTC for none.
func zoneOf(name *string) (*time.Location, error) {
	if name == nil {
		return time.UTC, nil
	}
	zone, err := time.LoadLocation(*name)
	if err != nil {
		return nil, refuse.One("zone", fmt.Sprintf("%q", *name), "a time zone like Europe/Vienna")
	}
	return zone, nil
}

// LayCurve answers POST /cooks/{id}/curve.
func (s *Server) LayCurve(ctx context.Context, r LayCurveRequestObject) (LayCurveResponseObject, error) {
	zone, err := zoneOf(r.Body.Zone)
	if err != nil {
		return nil, err
	}
	got, err := s.sessions.LayCurve(ctx, r.Id, session.LoggerFile{Table: []byte(r.Body.File), Zone: zone, ShiftMin: orElse(r.Body.ShiftMin, 0), Lot: orElse(r.Body.Lot, 0)}, orElse(r.Body.DryRun, false))
	if err != nil {
		return nil, err
	}
	return LayCurve200JSONResponse{Says: got.Says, Readings: got.Readings, Within: got.Within, FromMin: got.FromMin, ToMin: got.ToMin}, nil
}
