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
	"time"

	"velocrustum/core/refuse"
	"velocrustum/internal/session"
	"velocrustum/internal/store"
)

// ListProbes answers GET /probes.
func (s *Server) ListProbes(ctx context.Context, _ ListProbesRequestObject) (ListProbesResponseObject, error) {
	all, err := s.sessions.Thermometers(ctx)
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
	n, err := s.sessions.AddReadings(ctx, r.Id, all)
	return AddReadings200JSONResponse{Added: n}, err
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
		if out = append(out, store.Reading{At: when.UTC(), C: read}); len(out) > session.MostReadings {
			return nil, refuse.One("readings", "more", fmt.Sprintf("up to %d at once", session.MostReadings))
		}
	}
}

// probeOut is a thermometer in some food; nil without one.
func probeOut(p *session.ProbeIn) *ThermometerSeen {
	if p == nil {
		return nil
	}
	out := ThermometerSeen{Id: p.ID, At: p.At, C: p.C}
	if p.Lot > 0 {
		out.Lot = &p.Lot
	}
	return &out
}
