package api

import (
	"bytes"
	"context"
	"fmt"
	"math"
	"time"

	"velocrustum/core/cook"
	"velocrustum/core/refuse"
	"velocrustum/internal/exchange"
	"velocrustum/internal/store"
)

// GetCookTable answers GET /cooks/{id}/tables/{what}.
func (s *Server) GetCookTable(ctx context.Context, r GetCookTableRequestObject) (GetCookTableResponseObject, error) {
	c, l, err := s.led(ctx, r.Id)
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
		err = exchange.Forecast(&b, loaded, c.Forecast.V.Timeline)
	case "events":
		err = exchange.Events(&b, l)
	default:
		seen, failed := s.seen(ctx, c, l)
		if failed != nil {
			return nil, failed
		}
		err = exchange.Readings(&b, loaded, seen)
	}
	return GetCookTable200TextcsvResponse{Body: &b, ContentLength: int64(b.Len())}, err
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
	c, l, err := s.led(ctx, r.Id)
	if err != nil {
		return nil, err
	}
	in, ok := l.LoadedAt()
	if !ok {
		return nil, refuse.One("cook", c.Name, "one whose food went in")
	}
	zone, err := zoneOf(r.Body.Zone)
	if err != nil {
		return nil, err
	}
	got, err := exchange.Logger([]byte(r.Body.File), zone)
	if err != nil {
		return nil, err
	}
	begun := begunAt(got, in, zone).Add(time.Duration(orElse(r.Body.ShiftMin, 0) * float64(time.Minute)))
	until, out := l.OutAt()
	if !out {
		until = s.clock.Now()
	}
	answer := LayCurve200JSONResponse{Says: got.Says}
	var read []store.Reading
	for _, o := range got.Reads {
		at := begun.Add(time.Duration(o.AfterS * float64(time.Second)))
		if answer.Readings++; !at.Before(in) && !at.After(until) {
			answer.Within++
		}
		read = append(read, store.Reading{At: at, C: o.C})
	}
	answer.FromMin = math.Round(10*begun.Sub(in).Minutes()) / 10
	answer.ToMin = math.Round(10*read[len(read)-1].At.Sub(in).Minutes()) / 10
	if answer.Within == 0 {
		return nil, refuse.One("shiftMin", fmt.Sprintf("%g to %g min of this cook", answer.FromMin, answer.ToMin), "readings within the cook: shift the file until some are")
	}
	if orElse(r.Body.DryRun, false) {
		return answer, nil
	}
	if err := s.store.LayCurve(ctx, c, read, cook.Event{Kind: cook.LeftIn, At: in, Probe: store.FileOf(c.ID)}); err != nil {
		return nil, err
	}
	s.told.Tell()
	return answer, nil
}

// begunAt is when a file's first reading was: as it says, by a clock the time
// next to when the food went in, else then.
func begunAt(got exchange.Logged, in time.Time, zone *time.Location) time.Time {
	switch {
	case got.Begun == nil:
		return in
	case got.Dated:
		return got.Begun.UTC()
	}
	y, m, d := in.In(zone).Date()
	at := time.Date(y, m, d, got.Begun.Hour(), got.Begun.Minute(), got.Begun.Second(), got.Begun.Nanosecond(), zone)
	if off := at.Sub(in); off > 12*time.Hour {
		at = at.AddDate(0, 0, -1)
	} else if off < -12*time.Hour {
		at = at.AddDate(0, 0, 1)
	}
	return at.UTC()
}
