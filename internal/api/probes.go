package api

import (
	"context"
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"math"
	"slices"
	"strconv"
	"strings"
	"time"

	"velocrustum/core/cook"
	"velocrustum/core/refuse"
	"velocrustum/internal/store"
)

const (
	// lately is since when a thermometer must have sent something to be offered.
	lately = time.Hour
	// ahead is how far a thermometer's own clock may be before the kitchen's.
	ahead            = 2 * time.Minute
	leastRead, mostC = -60.0, 500.0
	mostReadings     = 5000
)

// ListProbes answers GET /probes.
func (s *Server) ListProbes(ctx context.Context, _ ListProbesRequestObject) (ListProbesResponseObject, error) {
	all, err := s.store.Probes(ctx, s.clock.Now().Add(-lately))
	out := ListProbes200JSONResponse{}
	for _, p := range all {
		out = append(out, ThermometerSeen{Id: p.ID, At: p.At.Time, C: p.C})
	}
	return out, err
}

// AddReadings answers POST /probes/{id}/readings.
func (s *Server) AddReadings(ctx context.Context, r AddReadingsRequestObject) (AddReadingsResponseObject, error) {
	var all []store.Reading
	if r.JSONBody != nil {
		all = r.JSONBody.Readings
	} else {
		var err error
		if all, err = readCSV(r.Body); err != nil {
			return nil, err
		}
	}
	var c refuse.Check
	now := s.clock.Now()
	for i, o := range all {
		c.Within(fmt.Sprintf("readings[%d].c", i), o.C, leastRead, mostC, "°C")
		if o.At.After(now.Add(ahead)) {
			c.Add(fmt.Sprintf("readings[%d].at", i), o.At.Format(time.RFC3339), "a moment that has been, by the kitchen's clock: it is "+now.Format(time.RFC3339))
		}
	}
	if len(all) == 0 || len(all) > mostReadings {
		c.Add("readings", fmt.Sprintf("%d readings", len(all)), fmt.Sprintf("1 to %d", mostReadings))
	}
	if err := c.Err(); err != nil {
		return nil, err
	}
	session, err := s.listening(ctx, r.Id)
	if err != nil {
		return nil, err
	}
	n, err := s.store.AddReadings(ctx, r.Id, all, session)
	if err != nil {
		return nil, err
	}
	if n > 0 && session != "" {
		s.told.Tell()
	}
	return AddReadings200JSONResponse{Added: n}, nil
}

// readCSV reads what a thermometer sends as a table of two columns, at and c.
func readCSV(from io.Reader) (out []store.Reading, err error) {
	in := csv.NewReader(from)
	head, err := in.Read()
	at, c := slices.Index(head, "at"), slices.Index(head, "c")
	if err != nil || at < 0 || c < 0 {
		return nil, refuse.One("readings", fmt.Sprintf("%q", head), "a table with a first line that names the columns at and c")
	}
	for {
		row, err := in.Read()
		if errors.Is(err, io.EOF) {
			return out, nil
		}
		field := fmt.Sprintf("readings[%d]", len(out))
		if err != nil {
			return nil, refuse.One(field, err.Error(), "a line of the table")
		}
		when, err := time.Parse(time.RFC3339, row[at])
		if err != nil {
			return nil, refuse.One(field+".at", row[at], "a moment with its zone, like 2026-11-20T18:04:05Z")
		}
		read, err := strconv.ParseFloat(row[c], 64)
		if err != nil || math.IsNaN(read) {
			return nil, refuse.One(field+".c", row[c], "a number of °C, with a point")
		}
		if out = append(out, store.Reading{At: when.UTC(), C: read}); len(out) > mostReadings {
			return nil, refuse.One("readings", "more", fmt.Sprintf("up to %d at once", mostReadings))
		}
	}
}

// listening is the session in which a thermometer is in some food; empty where
// it is in none.
func (s *Server) listening(ctx context.Context, probe string) (string, error) {
	e, err := s.liveEvening(ctx)
	if err != nil {
		return "", err
	}
	var cooks []store.Cook
	if e != nil {
		cooks = e.Cooks
	} else if c, err := s.store.LiveCook(ctx); err == nil {
		cooks = []store.Cook{c}
	} else if !errors.Is(err, store.ErrNotFound) {
		return "", err
	}
	for _, c := range cooks {
		if c.FinishedAt == nil && leftIn(c.Events) == probe {
			return c.SessionID, nil
		}
	}
	return "", nil
}

// leftIn is the thermometer that is in a cook's food; empty without one.
func leftIn(events []cook.Event) string {
	for _, e := range slices.Backward(events) {
		switch e.Kind {
		case cook.LeftIn:
			if !strings.HasPrefix(e.Probe, cook.FileProbe) {
				return e.Probe
			}
		case cook.TakenOut, cook.Out:
			return ""
		}
	}
	return ""
}

// lastRead is what a thermometer in the food read last; nil where it has read
// nothing there.
func lastRead(p *ThermometerSeen) *cook.Read {
	if p == nil || p.At.IsZero() {
		return nil
	}
	return &cook.Read{At: p.At, C: p.C}
}

// probeIn is the thermometer in a cook's food with its last reading; nil
// without one.
func (s *Server) probeIn(ctx context.Context, l cook.Live) (*ThermometerSeen, error) {
	id := leftIn(l.Events)
	if id == "" {
		return nil, nil
	}
	i := len(l.Events) - 1
	for l.Events[i].Kind != cook.LeftIn || l.Events[i].Probe != id {
		i--
	}
	read, err := s.store.Readings(ctx, id, l.Events[i].At.Add(settles), s.clock.Now().Add(ahead))
	if err != nil || len(read) == 0 {
		return &ThermometerSeen{Id: id}, err // it has read nothing there yet
	}
	last := read[len(read)-1]
	return &ThermometerSeen{Id: id, At: last.At, C: last.C}, nil
}
